<script setup lang="ts">
/** Who, what, where and the wind: a new sortie in a few taps, or changes to one. */
import { say } from '@/said'
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, watch } from 'vue'
import { now as hourNow } from '@/hours'
import { useRoute, useRouter } from 'vue-router'
import { api } from '@/api/calls'
import { catalogueQuery, forgetSortie, proposalQuery, rankAsked, sessionQuery, sortieQuery } from '@/api/queries'
import type { LandingKind, RankedEnd, Sortie, SortieIn } from '@/api/types'
import Choice from '@/components/Choice.vue'
import Loading from '@/components/Loading.vue'
import LazyField from '@/components/LazyField.vue'
import Stepper from '@/components/Stepper.vue'
import { useWrite } from '@/composables/useWrite'
import {
  ago,
  direction,
  examines,
  LANDING_LABEL,
  round,
  SURFACE_STATE,
  TAILWHEEL_ONLY,
  today,
  windWords,
} from '@/words'

const route = useRoute()
const router = useRouter()
const client = useQueryClient()
const id = typeof route.params.id === 'string' ? Number(route.params.id) : null
const catalogue = useQuery(catalogueQuery)
const session = useQuery(sessionQuery)
/** For whom a new sortie is, when that was said before: on a student's page, or by a plan for the week. */
const forStudent = typeof route.query.student === 'string' ? Number(route.query.student) || null : null
const proposed = useQuery({ ...proposalQuery(forStudent), enabled: id === null })
const kept = useQuery({ ...sortieQuery(id ?? 0), enabled: id !== null })
const mayPlan = computed(() => session.data.value?.person?.role !== 'student')

type Form = Omit<Required<SortieIn>, 'flap' | 'spot_ft' | 'instructor_id' | 'takeoff' | 'pattern'>
/** Wind and air: what nobody has given is not kept, and what was given before is not given anew. */
const WEATHER = [
  'wind_kt',
  'wind_dir_deg_mag',
  'wind_dir_deg_true',
  'gust_kt',
  'temperature_c',
  'qnh_hpa',
  'metar',
  'wind_source',
  'surface_state',
] as const
const form = reactive<Form>({
  student_id: 0,
  aircraft_id: 0,
  runway_end_id: 0,
  standard_id: 0,
  landing: 'normal',
  alone: false,
  wind_kt: null, // nobody has said yet
  // one of the two: a direction is kept by the north it was given by
  wind_dir_deg_mag: null,
  wind_dir_deg_true: null,
  gust_kt: null,
  temperature_c: 15,
  qnh_hpa: 1013.25,
  planned_on: today(),
  technique_id: null,
  weight_lb: null,
  metar: null,
  wind_source: 'hand',
  surface_state: 'dry',
  planned_time: null,
  booked_min: 60,
  fuel_gal: null,
})
const SURFACE_STATES = (Object.keys(SURFACE_STATE) as (keyof typeof SURFACE_STATE)[]).map((value) => ({
  value,
  label: SURFACE_STATE[value],
}))
const CREWS = [
  { value: 'dual' as const, label: say('prepare.with-instructor') },
  { value: 'alone' as const, label: say('prepare.student-alone') },
]
const ready = ref(false)
const asFound = ref('')
const weatherNow = () => JSON.stringify(WEATHER.map((name) => form[name]))
/** Whether wind or air were given here; pressing it says that what stands is so now. */
const saysSo = ref(false)
const isGiven = computed(() => form.wind_kt !== null && (saysSo.value || weatherNow() !== asFound.value))
const report = ref('')
const HOLDS_MS = 3 * 3_600_000 // wind and pressure given longer ago are of another part of the day
const lastWeather = computed(() => proposed.data.value?.last_weather ?? null)
const isLastFresh = computed(() => !!lastWeather.value && hourNow() - Date.parse(lastWeather.value.at) < HOLDS_MS)
/** The time now, to five minutes, UTC. */
function now() {
  const five = 300_000
  return `${new Date(Math.ceil(hourNow() / five) * five).toISOString().slice(11, 16)}:00`
}
/** A new sortie starts with today's student, their next landing and the usual aircraft; never with an old wind. */
watch(
  [catalogue.data, proposed.data, kept.data],
  () => {
    const all = catalogue.data.value
    if (!all || ready.value || (id === null ? !proposed.data.value : !kept.data.value)) return
    const own = kept.data.value
    const last = proposed.data.value
    const from = own ?? (isLastFresh.value ? lastWeather.value : null)
    const end = (own ?? last)?.runway_end_id ?? all.airfields[0]?.ends[0]?.id ?? 0
    Object.assign(form, {
      student_id: own?.student.id ?? last?.student_id ?? 0,
      aircraft_id: own?.aircraft.id ?? last?.aircraft_id ?? all.aircraft[0]?.id ?? 0,
      runway_end_id: end,
      standard_id: own?.standard.id ?? last?.standard_id ?? all.standards[0]?.id ?? 0,
      landing: (own ?? last)?.landing ?? 'normal',
      alone: own?.alone ?? false,
      technique_id: own?.technique.id ?? null,
      ...(own?.wind_reference === 'magnetic'
        ? { wind_dir_deg_mag: own.wind_dir_deg_mag, wind_dir_deg_true: null }
        : { wind_dir_deg_mag: null, wind_dir_deg_true: from?.wind_dir_deg_true ?? null }),
      wind_kt: from?.wind_kt ?? null,
      gust_kt: from?.gust_kt ?? null,
      temperature_c: from?.temperature_c ?? 15,
      qnh_hpa: from?.qnh_hpa ?? 1013.25,
      planned_on: own?.planned_on ?? today(),
      weight_lb: own?.weight_lb ?? null,
      metar: own?.metar ?? null,
      wind_source: own?.wind_source ?? 'hand',
      surface_state: own?.surface_state ?? 'dry',
      planned_time: own ? own.planned_time : now(),
      booked_min: own?.booked_min ?? 60,
      fuel_gal: own?.fuel_gal ?? null,
    })
    report.value = form.metar ?? ''
    asFound.value = weatherNow()
    ready.value = true
  },
  { immediate: true },
)

const students = computed(() => catalogue.data.value?.people.filter((one) => one.role === 'student') ?? [])
const standard = computed(() => catalogue.data.value?.standards.find((one) => one.id === form.standard_id))
const aircraft = computed(() => catalogue.data.value?.aircraft.find((one) => one.id === form.aircraft_id))
const landings = computed(() =>
  (Object.keys(LANDING_LABEL) as LandingKind[])
    .map((kind) => ({
      value: kind,
      label: LANDING_LABEL[kind],
      off: !standard.value || !examines(standard.value.spec, kind),
    }))
    .filter(
      (one) => !TAILWHEEL_ONLY.includes(one.value) || aircraft.value?.spec.particulars?.undercarriage === 'tailwheel',
    ),
)
watch(aircraft, () => {
  if (ready.value && !landings.value.some((one) => one.value === form.landing)) form.landing = 'normal'
})
const missing = computed(() =>
  landings.value
    .filter((one) => one.off)
    .map((one) => one.label)
    .join(', '),
)
watch(standard, () => {
  if (landings.value.find((one) => one.value === form.landing)?.off) form.landing = 'normal'
})
// another aircraft weighs another amount: left empty, the usual one is worked out
watch(
  () => form.aircraft_id,
  (_now, before) => {
    if (ready.value && before) form.weight_lb = null
  },
)

const field = computed(() =>
  catalogue.data.value?.airfields.find((one) => one.ends.some((end) => end.id === form.runway_end_id)),
)
const said = ref<string[]>([])
/** What of it is dangerous weather. */
const grave = ref('')
const reportProblem = ref('')
/** The wind as the report has it, beside what the sock says. */
const reported = ref<Pick<Form, 'wind_dir_deg_mag' | 'wind_dir_deg_true' | 'wind_kt' | 'gust_kt'> | null>(null)
type Read = Pick<Awaited<ReturnType<typeof api.readMetar>>, 'report'>
/** Fill wind and air from the report; what it does not say stays as it is, and what the sock says wins. */
function take({ report: found }: Read) {
  form.metar = found.text
  reported.value =
    found.wind_kt === null
      ? null
      : {
          wind_dir_deg_mag: null,
          wind_dir_deg_true: found.wind_dir_deg_true,
          wind_kt: found.wind_kt,
          gust_kt: found.gust_kt,
        }
  if (reported.value && form.wind_source !== 'sock') {
    Object.assign(form, reported.value)
    form.wind_source = 'report'
  }
  form.temperature_c = found.temperature_c ?? form.temperature_c
  form.qnh_hpa = found.qnh_hpa ?? form.qnh_hpa
  form.surface_state = found.surface_state ?? form.surface_state
  const weather = found.weather.length ? say('prepare.weather', { weather: found.weather.join(', ') }) : ''
  grave.value = found.hazards.length ? weather : ''
  said.value = [
    ...found.missing.map((name) => say('prepare.the-report-has-no-enter', { name })),
    ...(found.wind_range_from_deg_true === null || found.wind_range_to_deg_true === null
      ? []
      : [
          say('prepare.the-wind-swings-from-to', {
            from_deg_true: direction(found.wind_range_from_deg_true),
            to_deg_true: direction(found.wind_range_to_deg_true),
          }),
        ]),
    ...(weather ? [weather] : []),
    ...(found.ceiling_ft === null ? [] : [say('prepare.cloud-at-ft', { ceiling_ft: round(found.ceiling_ft) })]),
    ...(found.visibility_m === null || found.visibility_m >= 9999
      ? []
      : [say('prepare.visibility-m', { visibility_m: round(found.visibility_m, 100) })]),
    ...(found.surface_state === null
      ? []
      : [say('prepare.so-the-runway-is-taken', { surface_state: SURFACE_STATE[found.surface_state] })]),
    ...(found.trend === null ? [] : [say('prepare.later', { trend: found.trend })]),
    ...found.warnings,
    ...(found.not_used.length ? [say('prepare.not-used', { not_used: found.not_used.join('; ') })] : []),
  ]
}
async function readReport() {
  reportProblem.value = ''
  said.value = []
  if (!report.value.trim()) {
    form.metar = null
    reported.value = null
    if (form.wind_source === 'report') form.wind_source = 'hand'
    return
  }
  try {
    take(await api.readMetar(field.value?.id ?? 0, report.value.trim()))
  } catch (error) {
    reportProblem.value = error instanceof Error ? error.message : say('prepare.the-report-was-not-read')
  }
}
/** The station of the field, where the school has one, is asked every minute while this screen is open. */
const station = useQuery({
  queryKey: ['station', computed(() => field.value?.id ?? 0)],
  queryFn: () => api.station(field.value?.id ?? 0),
  enabled: computed(() => ready.value && mayPlan.value && !!field.value),
  refetchInterval: (query) => (query.state.data?.has_station === false ? false : 60_000),
  retry: false,
})
const follows = ref(id === null)
watch(
  station.data,
  (now) => {
    if (!follows.value || !now?.report || !now.text) return
    report.value = now.text
    take({ report: now.report })
  },
  { immediate: true },
)
function takeStation() {
  follows.value = true
  const now = station.data.value
  if (!now?.report || !now.text) return
  report.value = now.text
  take({ report: now.report })
}
/** A wind entered by hand is what the sock says: it wins over any report until given back. */
function bySock(part: Partial<Form>) {
  Object.assign(form, part)
  form.wind_source = form.metar || station.data.value?.has_station ? 'sock' : 'hand'
}
function byReport() {
  if (reported.value) Object.assign(form, reported.value)
  form.wind_source = 'report'
}
/** A direction is typed as the tower says it or as a report writes it, and shown by either north. */
const REFERENCES = [
  { value: 'mag', label: say('prepare.magnetic-as-the-tower-says') },
  { value: 'true', label: say('prepare.true-as-a-report-writes') },
] as const
const reference = ref<'mag' | 'true' | null>('mag')
const variation = computed(
  () => field.value?.ends.find((end) => end.id === form.runway_end_id)?.spec.magnetic_variation_deg ?? 0,
)
const round360 = (deg: number) => ((Math.round(deg) % 360) + 360) % 360 || 360
const shownDirection = computed(() => {
  const { wind_dir_deg_mag: mag, wind_dir_deg_true: isTrue } = form
  if (reference.value === 'mag') return mag ?? (isTrue == null ? null : round360(isTrue - variation.value))
  return isTrue ?? (mag == null ? null : round360(mag + variation.value))
})
function from(typed: number | null) {
  return reference.value === 'mag'
    ? { wind_dir_deg_mag: typed, wind_dir_deg_true: null }
    : { wind_dir_deg_mag: null, wind_dir_deg_true: typed }
}
/** The reported direction by both norths, at the runway that is chosen. */
const reportedFrom = computed(() => {
  const isTrue = reported.value?.wind_dir_deg_true
  if (isTrue == null) return ''
  return say('prepare.reported-from-true-magnetic-here', {
    is_true: direction(isTrue),
    variation: direction(round360(isTrue - variation.value)),
  })
})
/** A wind in words, by the compass at the runway chosen. */
function spoken(wind: NonNullable<typeof reported.value> | Form) {
  const { wind_dir_deg_true: isTrue, gust_kt = null, wind_kt = null } = wind
  const wind_dir_deg_mag = wind.wind_dir_deg_mag ?? (isTrue == null ? null : round360(isTrue - variation.value))
  return windWords({ wind_dir_deg_mag, wind_kt, gust_kt })
}
const at = computed(() => (form.planned_time && form.planned_on ? `${form.planned_on}T${form.planned_time}Z` : null))
const asked = computed(() => ({
  at: at.value,
  aircraft_id: form.aircraft_id,
  student_id: form.student_id || null,
  surface_state: form.surface_state ?? 'dry',
  metar: form.metar ?? null,
  wind_source: form.wind_source ?? 'hand',
  wind_kt: form.wind_kt ?? null,
  wind_dir_deg_mag: form.wind_dir_deg_mag,
  wind_dir_deg_true: form.wind_dir_deg_true,
  gust_kt: form.gust_kt,
  temperature_c: form.temperature_c,
  qnh_hpa: form.qnh_hpa,
  weight_lb: form.weight_lb,
  landing: form.landing,
  alone: form.alone,
  standard_id: form.standard_id || null,
  technique_id: form.technique_id ?? null,
  spot_ft: kept.data.value?.spot_ft ?? null,
}))
/** What is unknown is not within limits: outside the handbook's table nobody knows whether the runway is long enough. */
function verdict(end: RankedEnd): { words: string; tone: string } {
  if (end.within_limits === false) return { words: say('prepare.over-a-limit'), tone: 'text-fail-ink' }
  if (end.reasons.some((one) => one.name === 'wind' && one.is_unknown))
    return { words: say('prepare.wind-not-given'), tone: '' }
  if (end.within_limits === null) return { words: say('prepare.margin-unknown'), tone: '' }
  return { words: say('prepare.within-limits'), tone: 'text-pass-ink' }
}
const ranking = useQuery({
  queryKey: ['ranking', computed(() => field.value?.id ?? 0), asked],
  queryFn: () => rankAsked(field.value?.id ?? 0, id, asked.value),
  enabled: computed(
    () => ready.value && mayPlan.value && !!field.value && form.aircraft_id > 0 && form.wind_kt !== null,
  ),
  placeholderData: keepPreviousData,
  retry: false,
})
function chooseEnd(ident: string) {
  form.runway_end_id = field.value?.ends.find((end) => end.ident === ident)?.id ?? form.runway_end_id
}
const chosen = computed(() => field.value?.ends.find((end) => end.id === form.runway_end_id)?.ident)

const {
  write,
  fields,
  problem,
  isBusy: busy,
} = useWrite({
  refresh: () => (id === null ? client.invalidateQueries({ queryKey: ['sorties'] }) : forgetSortie(client, id)),
  otherwise: say('prepare.the-sortie-was-not-saved'),
})
function changesFrom(values: Form) {
  const { weight_lb, technique_id, planned_on, wind_kt, ...rest } = values
  if (!isGiven.value) for (const name of WEATHER) delete (rest as Partial<Form>)[name as keyof typeof rest]
  return {
    ...rest,
    ...(isGiven.value && wind_kt !== null ? { wind_kt } : {}),
    ...(planned_on === null ? {} : { planned_on }),
    ...(weight_lb === null ? {} : { weight_lb }),
    ...(technique_id === null ? {} : { technique_id }),
  }
}
/** What a sortie holds, as a change that brings it back. */
function asItIs(one: Sortie) {
  const weather = isGiven.value
  const { weight_lb, wind_kt, gust_kt, temperature_c, qnh_hpa, planned_on, metar, wind_source, surface_state } = one
  return {
    ...{ weight_lb, planned_on },
    ...(weather ? { wind_kt, gust_kt, temperature_c, qnh_hpa, metar, wind_source, surface_state } : {}),
    student_id: one.student.id,
    aircraft_id: one.aircraft.id,
    runway_end_id: one.runway_end_id,
    standard_id: one.standard.id,
    technique_id: one.technique.id,
    landing: one.landing,
    alone: one.alone,
    flap: one.flap,
    ...(!weather
      ? {}
      : one.wind_reference === 'magnetic'
        ? { wind_dir_deg_mag: one.wind_dir_deg_mag }
        : { wind_dir_deg_true: one.wind_dir_deg_true }),
    planned_time: one.planned_time,
    booked_min: one.booked_min,
    fuel_gal: one.fuel_gal,
  }
}
async function save() {
  const before = kept.data.value
  let now: Sortie | undefined // as it was kept, which is what undo finds
  const written = await write(
    id === null
      ? {
          call: () =>
            api.createSortie({
              ...form,
              ...(form.wind_kt === null ? { wind_dir_deg_mag: null, wind_dir_deg_true: null, gust_kt: null } : {}),
            }),
        }
      : {
          call: async () => (now = await api.changeSortie(id, changesFrom(form), before && asItIs(before))),
          ...(before
            ? {
                undo: {
                  what: say('prepare.changes-to-the-sortie'),
                  back: () => api.changeSortie(id, asItIs(before), now && asItIs(now)),
                },
              }
            : {}),
        },
  )
  if (written) await router.push({ name: 'landing', params: { id: written.answer.id } })
}
const otherProblem = computed(() =>
  problem.value && !Object.keys(fields.value).some((field) => field in form) ? problem.value : '',
)
</script>

<template>
  <Loading
    v-if="!ready"
    :error="catalogue.error.value ?? proposed.error.value ?? kept.error.value"
    :retry="() => [catalogue.refetch(), id === null ? proposed.refetch() : kept.refetch()]"
  />
  <form v-else class="mx-auto max-w-5xl space-y-4" @submit.prevent="save">
    <h1 class="text-2xl font-bold">{{ id === null ? say('common.new-sortie') : say('common.prepare') }}</h1>
    <fieldset :disabled="!mayPlan" class="grid gap-4 md:grid-cols-2">
      <section class="panel space-y-3" :aria-label="say('prepare.who-and-what')">
        <div>
          <label for="student" class="heading">{{ say('common.student') }}</label>
          <select id="student" v-model="form.student_id" class="field">
            <option v-for="one in students" :key="one.id" :value="one.id">{{ one.name }}</option>
          </select>
          <p v-for="line in id === null ? proposed.data.value?.why : []" :key="line" class="text-sm text-soft">
            {{ line }}
          </p>
          <p v-if="!students.length" class="text-sm">{{ say('prepare.no-student-yet-invite-one') }}</p>
          <p v-if="fields.student_id" role="alert" class="font-bold text-fail-ink">{{ fields.student_id }}</p>
        </div>
        <div>
          <label for="aircraft" class="heading">{{ say('common.aircraft') }}</label>
          <select id="aircraft" v-model="form.aircraft_id" class="field">
            <option v-for="one in catalogue.data.value?.aircraft" :key="one.id" :value="one.id">{{ one.name }}</option>
          </select>
          <p v-if="fields.aircraft_id" role="alert" class="font-bold text-fail-ink">{{ fields.aircraft_id }}</p>
        </div>
        <div>
          <label for="end" class="heading">{{ say('prepare.field-and-runway') }}</label>
          <select id="end" v-model="form.runway_end_id" class="field">
            <optgroup v-for="field in catalogue.data.value?.airfields" :key="field.id" :label="field.name">
              <option v-for="end in field.ends" :key="end.id" :value="end.id">
                {{ field.name }} {{ end.ident }}: {{ round(end.spec.length_ft) }} ft {{ end.spec.surface }}
              </option>
            </optgroup>
          </select>
          <p v-if="fields.runway_end_id" role="alert" class="font-bold text-fail-ink">{{ fields.runway_end_id }}</p>
        </div>
        <div>
          <label for="standard" class="heading">{{ say('common.standard') }}</label>
          <select id="standard" v-model="form.standard_id" class="field">
            <option v-for="one in catalogue.data.value?.standards" :key="one.id" :value="one.id">
              {{ one.name }} ({{ one.spec.edition }})
            </option>
          </select>
          <p class="text-sm text-soft">{{ standard?.spec.source }}</p>
          <p v-if="fields.standard_id" role="alert" class="font-bold text-fail-ink">{{ fields.standard_id }}</p>
        </div>
        <Choice
          :model-value="form.alone ? 'alone' : 'dual'"
          :label="say('prepare.who-is-aboard')"
          :options="CREWS"
          @update:model-value="form.alone = $event === 'alone'"
        />
        <p v-if="form.alone" class="text-sm text-soft">{{ say('prepare.alone-means') }}</p>
        <Choice
          :model-value="form.landing"
          :label="say('common.landing')"
          :options="landings"
          @update:model-value="form.landing = $event ?? 'normal'"
        />
        <p v-if="missing" class="text-sm text-soft">
          {{ say('prepare.sets-no-tolerance-for', { name: standard?.name, missing }) }}
        </p>
        <p v-if="fields.landing" role="alert" class="font-bold text-fail-ink">{{ fields.landing }}</p>
        <div>
          <label for="technique" class="heading">{{ say('prepare.technique-where-instructors-differ') }}</label>
          <select id="technique" v-model="form.technique_id" class="field">
            <option :value="null">{{ id === null ? say('prepare.my-own') : say('prepare.unchanged') }}</option>
            <option v-for="one in catalogue.data.value?.techniques" :key="one.id" :value="one.id">
              {{ one.name }}
            </option>
          </select>
          <p v-if="fields.technique_id" role="alert" class="font-bold text-fail-ink">{{ fields.technique_id }}</p>
        </div>
        <div>
          <label for="day" class="heading">{{ say('common.day') }}</label>
          <input id="day" v-model="form.planned_on" class="field" type="date" required />
        </div>
        <div class="grid grid-cols-2 gap-3">
          <div>
            <label for="hour" class="heading">{{ say('prepare.hour-utc-for-sun-and') }}</label>
            <LazyField
              id="hour"
              :model-value="form.planned_time?.slice(0, 5) ?? ''"
              class="field"
              type="time"
              @update:model-value="form.planned_time = $event ? `${$event}:00` : null"
            />
          </div>
          <Stepper
            :model-value="form.booked_min ?? 60"
            :label="say('common.booked')"
            unit="min"
            :min="10"
            :max="480"
            :step="10"
            :error="fields.booked_min"
            @update:model-value="form.booked_min = $event ?? 60"
          />
        </div>
      </section>
      <section class="panel space-y-3" :aria-label="say('prepare.wind-and-air')">
        <div>
          <label for="metar" class="heading">{{ say('prepare.metar-or-enter-the-wind') }}</label>
          <div class="flex gap-2">
            <input
              id="metar"
              v-model="report"
              class="field figure !text-sm"
              maxlength="600"
              placeholder="LANT 251150Z 07009KT …"
              :aria-invalid="!!reportProblem"
              @keydown.enter.prevent="readReport"
            />
            <button type="button" class="button" @click="readReport">{{ say('prepare.read') }}</button>
          </div>
          <p v-if="reportProblem" role="alert" class="font-bold text-fail-ink">{{ reportProblem }}</p>
          <ul class="text-sm" :aria-label="say('prepare.what-the-report-says')">
            <li v-if="reportedFrom && said.length">{{ reportedFrom }}</li>
            <li v-for="line in said" :key="line" :class="line === grave ? 'font-bold text-fail-ink' : ''">
              {{ line }}
            </li>
          </ul>
        </div>
        <p
          v-if="kept.data.value && kept.data.value.weather_given !== 'current' && !isGiven"
          role="status"
          class="flex flex-wrap items-center gap-2 rounded-lg border-l-4 border-warn bg-warn-wash px-3 py-2"
        >
          <template v-if="kept.data.value.weather_given === 'never'">
            <b>{{ say('prepare.no-wind-has-been-given') }}</b> {{ say('prepare.read-the-report-or-enter') }}
          </template>
          <template v-else>
            <span class="min-w-0 flex-1">
              <b>{{ say('prepare.this-wind-was-given', { weather_at: ago(kept.data.value.weather_at ?? '') }) }}</b>
              {{ say('prepare.for-another-hour', { form: spoken(form) }) }}
            </span>
            <button type="button" class="button" @click="saysSo = true">{{ say('prepare.it-is-still-so') }}</button>
          </template>
        </p>
        <p v-if="id === null && form.wind_kt === null" class="rounded-lg border-l-4 border-warn bg-warn-wash px-3 py-2">
          <b>{{ say('prepare.no-wind-has-been-given') }}</b>
          <template v-if="lastWeather">
            {{
              ' ' +
              say('prepare.last-given-here-hpa', {
                at: ago(lastWeather.at),
                last_weather: windWords(lastWeather),
                qnh_hpa: round(lastWeather.qnh_hpa),
              })
            }}
          </template>
        </p>
        <p v-else-if="id === null && isLastFresh && !isGiven && lastWeather" class="text-sm text-soft">
          {{ say('prepare.wind-and-pressure-as-they', { at: ago(lastWeather.at) }) }}
        </p>
        <p v-if="station.data.value?.has_station" class="flex flex-wrap items-center gap-2 text-sm">
          <template v-if="station.data.value.problem">▲ {{ station.data.value.problem }}</template>
          <template v-else>
            <span class="figure min-w-0 flex-1">{{ station.data.value.text }}</span>
            <button v-if="!follows" type="button" class="button" @click="takeStation">
              {{ say('prepare.take-the-stations') }}
            </button>
            <span v-else class="text-soft">{{ say('prepare.from-the-station-asked-every') }}</span>
          </template>
        </p>
        <div
          v-if="form.wind_source === 'sock' && reported"
          class="rounded-lg border-l-4 border-warn bg-warn-wash px-3 py-2"
          role="status"
        >
          <p>
            <b>{{ say('prepare.the-sock-wins') }}</b>
            {{ say('prepare.the-report-says', { form: spoken(form), reported: spoken(reported) }) }}
          </p>
          <button type="button" class="button mt-1" @click="byReport">{{ say('prepare.back-to-the-report') }}</button>
        </div>
        <Choice v-model="reference" :label="say('prepare.wind-direction-by-hand')" :options="REFERENCES" />
        <Stepper
          :model-value="shownDirection"
          :label="reference === 'mag' ? say('common.wind-from-magnetic') : say('prepare.wind-from-true')"
          :hint="say('prepare.leave-it-empty-for-a')"
          unit="°"
          :min="0"
          :max="360"
          :step="10"
          :start="360"
          :empty-word="say('common.variable')"
          :error="fields.wind_dir_deg_mag ?? fields.wind_dir_deg_true"
          @update:model-value="bySock(from($event))"
        />
        <div class="grid grid-cols-2 gap-3">
          <Stepper
            :model-value="form.wind_kt ?? null"
            :label="say('common.wind')"
            :empty-word="say('common.unknown')"
            :start="5"
            unit="kt"
            :min="0"
            :max="100"
            :error="fields.wind_kt"
            @update:model-value="bySock({ wind_kt: $event })"
          />
          <Stepper
            :model-value="form.gust_kt ?? null"
            :label="say('common.gust')"
            :hint="say('common.leave-it-empty-where-there')"
            unit="kt"
            :min="0"
            :max="150"
            :start="(form.wind_kt ?? 0) + 5"
            :empty-word="say('common.none')"
            :error="fields.gust_kt"
            @update:model-value="bySock({ gust_kt: $event })"
          />
          <Stepper
            :model-value="form.temperature_c ?? 15"
            :label="say('prepare.temperature')"
            unit="°C"
            :min="-60"
            :max="60"
            :error="fields.temperature_c"
            @update:model-value="form.temperature_c = $event ?? 15"
          />
          <Stepper
            :model-value="form.qnh_hpa ?? 1013.25"
            :label="say('prepare.qnh')"
            unit="hPa"
            :min="870"
            :max="1085"
            :error="fields.qnh_hpa"
            @update:model-value="form.qnh_hpa = $event ?? 1013.25"
          />
        </div>
        <Choice
          :model-value="form.surface_state ?? 'dry'"
          :label="say('prepare.state-of-the-runway')"
          :options="SURFACE_STATES"
          @update:model-value="form.surface_state = $event ?? 'dry'"
        />
        <Stepper
          :model-value="form.weight_lb ?? null"
          :label="say('common.weight')"
          :hint="say('prepare.left-empty-two-people-and')"
          unit="lb"
          :min="aircraft?.spec.empty_weight_lb ?? 0"
          :max="aircraft?.spec.max_weight_lb ?? 20000"
          :step="10"
          :start="aircraft?.spec.max_weight_lb"
          :empty-word="say('common.usual')"
          :error="fields.weight_lb"
          @update:model-value="form.weight_lb = $event"
        />
      </section>
    </fieldset>
    <section v-if="mayPlan" class="panel" aria-labelledby="runways">
      <h2 id="runways" class="text-lg font-bold">{{ say('prepare.runways-of-best-first', { name: field?.name }) }}</h2>
      <p v-if="form.wind_kt === null">{{ say('prepare.give-the-wind-and-the') }}</p>
      <p v-if="ranking.error.value" role="alert" class="font-bold text-fail-ink">{{ ranking.error.value.message }}</p>
      <ol class="mt-1 space-y-1.5">
        <li v-for="end in form.wind_kt === null ? [] : (ranking.data.value?.ends ?? [])" :key="end.ident">
          <button
            type="button"
            class="flex min-h-14 w-full flex-wrap items-center gap-x-4 rounded-lg border-2 px-3 py-1 text-left"
            :class="end.ident === chosen ? 'border-ink bg-paper' : 'border-line'"
            :aria-pressed="end.ident === chosen"
            @click="chooseEnd(end.ident)"
          >
            <span class="figure w-14 text-2xl">{{ end.ident }}</span>
            <span class="w-28 font-bold" :class="verdict(end).tone">{{ verdict(end).words }}</span>
            <span class="min-w-0 flex-1">
              <span
                v-for="reason in end.reasons.filter((one) => one.over_limit)"
                :key="reason.name"
                class="block font-bold text-fail-ink"
                >{{ reason.words }}</span
              >
              {{
                end.reasons
                  .filter((one) => !one.over_limit)
                  .map((one) => one.words)
                  .join(' · ')
              }}
            </span>
          </button>
        </li>
      </ol>
      <p class="mt-1 text-sm text-soft">{{ say('prepare.limits-and-local-rules-decide') }}</p>
    </section>
    <p v-if="otherProblem" role="alert" class="font-bold text-fail-ink">{{ otherProblem }}</p>
    <p v-if="id !== null" class="text-sm text-soft">{{ say('prepare.laps-already-flown-keep-the') }}</p>
    <!-- always in the same place: what is pressed does not move away when the runways are ranked anew -->
    <div
      v-if="mayPlan"
      class="sticky z-10 bg-paper/90 py-2"
      :class="id === null ? 'bottom-0' : 'bottom-24 lg:bottom-6'"
    >
      <button type="submit" class="button button-main w-full !min-h-14 sm:w-auto sm:!px-10" :disabled="busy">
        {{ id === null ? say('prepare.make-the-sortie-and-brief') : say('prepare.save-and-brief-the-landing') }}
      </button>
    </div>
  </form>
</template>
