<script setup lang="ts">
/** The school's aircraft: speeds, tables, cues and flows, as the handbook has them. */
import { saveFile } from '@/files'
import { useQuery } from '@tanstack/vue-query'
import { computed, reactive, ref, watch } from 'vue'
import { LIMITS } from '@/api/limits'
import { api, catalogueQuery, sessionQuery } from '@/api/queries'
import type { AircraftRow, AircraftSpec } from '@/api/types'
import EditorNotes from '@/components/EditorNotes.vue'
import Loading from '@/components/Loading.vue'
import Stepper from '@/components/Stepper.vue'
import ClimbRows from '@/components/ClimbRows.vue'
import TablePaste from '@/components/TablePaste.vue'
import { useEditor } from '@/composables/useEditor'
import { round } from '@/words'

const catalogue = useQuery(catalogueQuery)
const session = useQuery(sessionQuery)
const mayChange = computed(() => session.data.value?.person?.role !== 'student')
const editor = useEditor<AircraftSpec>('aircraft')
const { draft, id, fields, problem, saved, theirs, differs } = editor
const PHASES = [
  'before takeoff',
  'takeoff',
  'climb',
  'downwind',
  'base',
  'final',
  'go-around',
  'after landing',
] as const

type About = Required<NonNullable<AircraftSpec['particulars']>>
const PLAIN: About = {
  registration: null,
  undercarriage: 'nosewheel',
  has_carburettor_heat: null,
  propeller: 'fixed',
  gear_limit_kias: null,
  slats_out_kias: null,
  angle_of_attack_target: null,
}
const about = computed<About>(() => ({ ...PLAIN, ...draft.value?.particulars }))
function setAbout(part: Partial<About>) {
  if (draft.value) draft.value.particulars = { ...about.value, ...part }
}
const picked = (event: Event) => (event.target as HTMLInputElement | HTMLSelectElement).value

/** Nothing is filled in that nobody has read in the handbook: an empty figure is asked for when it is kept. */
const BLANK = {
  name: '',
  max_weight_lb: null,
  empty_weight_lb: null,
  eye_height_ft: null,
  blind_distance_ft: null,
  flaps: [
    { name: 'up', stall_kcas: null, airspeed_table: { ias_kt: [], cas_kt: [] } },
    { name: 'full', stall_kcas: null, airspeed_table: { ias_kt: [], cas_kt: [] } },
  ],
} as unknown as AircraftSpec
function show(row: AircraftRow) {
  editor.open(row.spec, row.id, row.revision)
}
watch(
  catalogue.data,
  (now) => {
    if (now?.aircraft[0] && !draft.value) show(now.aircraft[0])
  },
  { immediate: true },
)
/** Pairs of indicated and calibrated airspeed as text, one pair a line, as a handbook prints them. */
const pairs = (flap: AircraftSpec['flaps'][number]) =>
  flap.airspeed_table.ias_kt.map((ias, i) => `${ias} ${flap.airspeed_table.cas_kt[i] ?? ''}`).join('\n')
const pairProblem = reactive<Record<number, string>>({})
function setPairs(flap: AircraftSpec['flaps'][number], index: number, text: string) {
  const rows = text
    .split('\n')
    .map((row) => row.trim().split(/[\s;]+/))
    .filter((row) => row[0])
  const bad = rows.findIndex(
    (row) => row.length !== 2 || row.some((cell) => !Number.isFinite(Number(cell.replace(',', '.')))),
  )
  pairProblem[index] = bad < 0 ? '' : `Line ${bad + 1}: two numbers, indicated and calibrated.`
  if (bad >= 0) return
  const numbers = rows.map((row) => row.map((cell) => Number(cell.replace(',', '.'))))
  flap.airspeed_table = { ias_kt: numbers.map((row) => row[0]!), cas_kt: numbers.map((row) => row[1]!) }
}
function addFlap() {
  const flaps = draft.value?.flaps
  const last = flaps?.at(-1)
  if (flaps && last) flaps.push({ ...JSON.parse(JSON.stringify(last)), name: `${last.name} +` })
}
const flow = (phase: (typeof PHASES)[number]) => draft.value?.flows?.find((one) => one.phase === phase)
function setFlow(phase: (typeof PHASES)[number], part: 'items' | 'callouts', text: string) {
  const one = draft.value
  if (!one) return
  const lines = text
    .split('\n')
    .map((row) => row.trim())
    .filter(Boolean)
  const now = flow(phase) ?? { phase, items: [], callouts: [] }
  const next = { ...now, [part]: lines }
  one.flows = [...(one.flows ?? []).filter((other) => other.phase !== phase), ...(next.items.length ? [next] : [])]
  one.flows.sort((a, b) => PHASES.indexOf(a.phase) - PHASES.indexOf(b.phase))
}
/** Write over what somebody else has kept meanwhile. */
function keepOver() {
  editor.overTheirs()
  return keep()
}
async function keep() {
  const spec = draft.value
  if (!spec) return
  const before = catalogue.data.value?.aircraft.find((row) => row.id === id.value)
  await editor.keep(
    spec.name || 'the aircraft',
    (row, seen) => api.keepAircraft(spec, row, seen),
    before ? () => api.keepAircraft(before.spec, before.id) : null,
  )
}
function copy() {
  const spec = draft.value
  if (spec) editor.open({ ...spec, name: `${spec.name} copy` }, null)
}
function download() {
  const spec = draft.value
  if (!spec) return
  saveFile(new Blob([JSON.stringify(spec, null, 2)], { type: 'application/json' }), `${spec.name || 'aircraft'}.json`)
}
async function upload(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  if (file.size > 200_000) {
    problem.value = 'The file is larger than an aircraft can be.'
    return
  }
  try {
    const spec = JSON.parse(await file.text()) as AircraftSpec
    if (!Array.isArray(spec.flaps)) throw new Error('no flaps')
    editor.open(spec, null)
  } catch {
    problem.value = `${file.name} is not an aircraft written by Bullseye.`
  }
}
const people = ref([170, 170])
const bags = ref(20)
const fuel = ref(20)
const load = ref<Awaited<ReturnType<typeof api.loading>>['loaded'] | null>(null)
async function weigh() {
  if (id.value === null) return
  load.value = (
    await api.loading(id.value, { people_lb: people.value, bags_lb: bags.value, fuel_gal: fuel.value })
  ).loaded
}
watch([id, people, bags, fuel], () => void weigh(), { deep: true, immediate: true })
const SPEEDS = [
  ['rotate_kias', 'Rotate'],
  ['vx_kias', 'Vx'],
  ['vy_kias', 'Vy'],
  ['best_glide_kias', 'Best glide'],
] as const
const LEGS = ['climb', 'downwind', 'abeam', 'base', 'final'] as const
function addLadder() {
  if (!draft.value) return
  const flap = draft.value.flaps[0]?.name ?? 'up'
  draft.value.ladder = Object.fromEntries(
    LEGS.map((leg) => [leg, { kias: null, flap, power: '' }]),
  ) as unknown as AircraftSpec['ladder']
}
</script>

<template>
  <Loading v-if="!catalogue.data.value" :error="catalogue.error.value" :retry="catalogue.refetch" />
  <div v-else class="grid gap-4 lg:grid-cols-[230px_minmax(0,1fr)]">
    <section aria-labelledby="hangar">
      <h1 id="hangar" class="text-2xl font-bold">Hangar</h1>
      <ul class="mt-2 space-y-1">
        <li v-for="row in catalogue.data.value.aircraft" :key="row.id">
          <button
            type="button"
            class="button w-full !justify-start"
            :class="row.id === id ? 'button-main' : ''"
            @click="show(row)"
          >
            {{ row.name }}
          </button>
        </li>
      </ul>
      <div v-if="mayChange" class="mt-3 space-y-2">
        <button type="button" class="button w-full" @click="editor.open(BLANK, null)">New aircraft</button>
        <label class="button w-full cursor-pointer"
          >From a file<input type="file" accept="application/json,.json" class="sr-only" @change="upload"
        /></label>
      </div>
    </section>
    <form v-if="draft" class="min-w-0 space-y-4" @submit.prevent="keep">
      <div class="flex flex-wrap items-center gap-2">
        <h2 class="min-w-0 flex-1 text-2xl font-bold">{{ draft.name || 'New aircraft' }}</h2>
        <template v-if="mayChange">
          <button type="submit" class="button button-main">Keep</button>
          <button type="button" class="button" @click="copy">Copy</button>
          <button v-if="id !== null" type="button" class="button" @click="editor.remove(draft.name, id)">
            Take out of use
          </button>
        </template>
        <button type="button" class="button" @click="download">Save as file</button>
      </div>
      <EditorNotes
        :problem="problem"
        :fields="fields"
        :saved="saved"
        :differs="theirs ? differs : null"
        @theirs="editor.useTheirs()"
        @mine="keepOver()"
      />
      <p class="text-sm text-soft">
        The handbook decides. Enter what it prints, at maximum weight; a change counts from the next brief, past laps
        keep theirs.
      </p>
      <fieldset :disabled="!mayChange" class="grid min-w-0 gap-4 xl:grid-cols-2 [&>*]:min-w-0">
        <section class="panel space-y-3" aria-label="Weights and limits">
          <div>
            <label for="name" class="heading">Name</label>
            <input id="name" v-model="draft.name" class="field" maxlength="80" required />
          </div>
          <div>
            <label for="callsign" class="heading">Call sign, as said on the radio</label>
            <input
              id="callsign"
              class="field"
              maxlength="40"
              :value="draft.callsign ?? ''"
              @change="draft.callsign = ($event.target as HTMLInputElement).value || null"
            />
          </div>
          <div class="grid grid-cols-2 gap-3">
            <Stepper
              v-model="draft.max_weight_lb as number"
              label="Maximum weight"
              unit="lb"
              :min="1"
              :max="20000"
              :step="10"
              :error="fields['spec.max_weight_lb']"
            />
            <Stepper
              v-model="draft.empty_weight_lb as number"
              label="Empty weight"
              unit="lb"
              :min="1"
              :max="20000"
              :step="10"
              :error="fields['spec.empty_weight_lb']"
            />
            <Stepper
              :model-value="draft.demonstrated_crosswind_kt ?? null"
              label="Crosswind shown"
              hint="Left empty, a fifth of the stalling speed with full flap stands for it."
              unit="kt"
              :min="1"
              :max="60"
              :start="12"
              empty-word="silent"
              @update:model-value="draft.demonstrated_crosswind_kt = $event"
            />
            <Stepper
              :model-value="draft.fuel_burn_gph ?? null"
              label="Fuel burn in the pattern"
              unit="gph"
              :min="1"
              :max="100"
              :start="8"
              :digits="1"
              empty-word="unknown"
              @update:model-value="draft.fuel_burn_gph = $event"
            />
            <Stepper
              :model-value="draft.blind_distance_ft ?? null"
              label="Hidden by the nose"
              unit="ft"
              :min="0"
              :max="300"
              :start="40"
              empty-word="enter"
              @update:model-value="draft.blind_distance_ft = $event as number"
            />
            <Stepper
              :model-value="draft.eye_height_ft ?? null"
              label="Eyes above the wheels"
              unit="ft"
              :min="1"
              :max="30"
              :step="0.5"
              :digits="1"
              :start="7.5"
              empty-word="enter"
              @update:model-value="draft.eye_height_ft = $event as number"
            />
            <Stepper
              :model-value="draft.wing_mark_angle_deg ?? null"
              label="Wing or strut mark below the horizon"
              unit="°"
              :min="0"
              :max="60"
              :start="12"
              empty-word="none"
              @update:model-value="draft.wing_mark_angle_deg = $event"
            />
            <Stepper
              :model-value="draft.deceleration_fps2 ?? null"
              label="Slowing in the float"
              hint="Left empty, it follows from the glide."
              unit="ft/s²"
              :min="0.6"
              :max="12"
              :step="0.1"
              :digits="1"
              :start="3.2"
              empty-word="glide"
              @update:model-value="draft.deceleration_fps2 = $event"
            />
            <Stepper
              :model-value="draft.span_ft ?? null"
              label="Wing span"
              unit="ft"
              :min="11"
              :max="200"
              :step="0.5"
              :digits="1"
              :start="34"
              empty-word="unknown"
              @update:model-value="draft.span_ft = $event"
            />
            <Stepper
              :model-value="draft.wing_height_ft ?? null"
              label="Wing above the wheels"
              unit="ft"
              :min="0.5"
              :max="30"
              :step="0.5"
              :digits="1"
              :start="draft.wing === 'low' ? 3 : 7"
              empty-word="usual"
              @update:model-value="draft.wing_height_ft = $event"
            />
            <Stepper
              :model-value="draft.landing_climb_fpm ?? null"
              label="Climb with flap full and gear down, laden"
              unit="fpm"
              :min="10"
              :max="3000"
              :step="10"
              :start="350"
              empty-word="unknown"
              @update:model-value="draft.landing_climb_fpm = $event"
            />
            <Stepper
              :model-value="draft.landing_climb_at_ft ?? 0"
              label="Density altitude of that climb"
              unit="ft"
              :min="-5000"
              :max="25000"
              :step="500"
              @update:model-value="draft.landing_climb_at_ft = $event ?? 0"
            />
          </div>
          <ClimbRows
            :model-value="draft.landing_climb_table ?? []"
            :may-change="mayChange"
            @update:model-value="draft.landing_climb_table = $event"
          />
          <div class="grid grid-cols-2 gap-3">
            <label class="flex min-h-11 items-center gap-2 font-bold"
              ><input v-model="draft.is_retractable" type="checkbox" class="h-6 w-6" />Retractable gear</label
            >
            <Stepper
              v-if="draft.is_retractable"
              :model-value="about.gear_limit_kias ?? null"
              label="Gear limit"
              unit="KIAS"
              :min="1"
              :max="250"
              :start="120"
              empty-word="unknown"
              @update:model-value="setAbout({ gear_limit_kias: $event })"
            />
            <label>
              <span class="heading">Stands on</span>
              <select
                class="field"
                :value="about.undercarriage"
                @change="setAbout({ undercarriage: picked($event) as About['undercarriage'] })"
              >
                <option value="nosewheel">a nosewheel</option>
                <option value="tailwheel">a tailwheel</option>
              </select>
            </label>
            <label>
              <span class="heading">Propeller</span>
              <select
                class="field"
                :value="about.propeller"
                @change="setAbout({ propeller: picked($event) as About['propeller'] })"
              >
                <option value="fixed">fixed</option>
                <option value="variable">variable, with a lever</option>
              </select>
            </label>
            <label>
              <span class="heading">Carburettor heat</span>
              <select
                class="field"
                :value="String(about.has_carburettor_heat)"
                @change="
                  setAbout({ has_carburettor_heat: picked($event) === 'null' ? null : picked($event) === 'true' })
                "
              >
                <option value="null">not known</option>
                <option value="true">fitted</option>
                <option value="false">none</option>
              </select>
            </label>
            <Stepper
              :model-value="about.slats_out_kias ?? null"
              label="Slats come out at"
              unit="KIAS"
              :min="1"
              :max="250"
              :start="50"
              empty-word="none"
              @update:model-value="setAbout({ slats_out_kias: $event })"
            />
          </div>
          <label>
            <span class="heading">Angle of attack on final, where a gauge is fitted</span>
            <input
              class="field"
              maxlength="80"
              placeholder="the upper edge of the green"
              :value="about.angle_of_attack_target ?? ''"
              @change="setAbout({ angle_of_attack_target: picked($event) || null })"
            />
          </label>
          <label class="block">
            <span class="heading">Registration, for the logbook</span>
            <input
              class="field"
              placeholder="asked each time"
              maxlength="80"
              :value="about.registration ?? ''"
              @change="setAbout({ registration: picked($event) || null })"
            />
          </label>
          <label class="flex min-h-11 items-center gap-2 font-bold"
            >Wing
            <select v-model="draft.wing" class="field !w-28">
              <option value="high">high</option>
              <option value="low">low</option>
            </select>
          </label>
          <div class="grid grid-cols-2 gap-3">
            <Stepper
              v-for="[field, label] in SPEEDS"
              :key="field"
              :model-value="draft[field] ?? null"
              :label="label"
              unit="KIAS"
              :min="1"
              :max="250"
              :start="70"
              empty-word="unknown"
              @update:model-value="draft[field] = $event"
            />
          </div>
        </section>
        <section class="panel space-y-3" aria-label="Weight of a flight">
          <h3 class="font-bold">Loading</h3>
          <template v-if="id !== null">
            <div class="grid grid-cols-2 gap-3">
              <Stepper
                v-for="(_, i) in people"
                :key="i"
                v-model="people[i] as number"
                :label="`Person ${i + 1}`"
                unit="lb"
                :min="LIMITS.personLb.min"
                :max="LIMITS.personLb.max"
                :step="5"
              />
              <Stepper
                v-model="bags"
                label="Bags"
                unit="lb"
                :min="LIMITS.bagsLb.min"
                :max="LIMITS.bagsLb.max"
                :step="5"
              />
              <Stepper v-model="fuel" label="Fuel" unit="gal" :min="LIMITS.fuelGal.min" :max="LIMITS.fuelGal.max" />
            </div>
            <div class="flex gap-2">
              <button type="button" class="button" :disabled="people.length >= 6" @click="people.push(170)">
                One more person
              </button>
              <button type="button" class="button" :disabled="people.length < 2" @click="people.pop()">
                One fewer
              </button>
            </div>
            <p v-if="load" role="status" class="font-bold" :class="load.over_lb > 0 ? 'text-fail-ink' : ''">
              {{ load.words }}
            </p>
          </template>
          <p v-else>Keep the aircraft first.</p>
          <TablePaste v-model="draft.landing_table as never" kind="landing" :may-change="mayChange" />
          <TablePaste v-model="draft.takeoff_table as never" kind="takeoff" :may-change="mayChange" />
          <p
            v-for="(text, field) in fields"
            v-show="String(field).includes('table')"
            :key="field"
            class="font-bold text-fail-ink"
          >
            {{ text }}
          </p>
        </section>
        <section class="panel space-y-3 xl:col-span-2" aria-label="Flap settings">
          <h3 class="font-bold">Flap settings, from up to full</h3>
          <div class="overflow-x-auto" tabindex="0" aria-label="Flap settings table">
            <table class="w-full min-w-[56rem] text-left">
              <thead>
                <tr class="text-sm text-soft">
                  <th>Name</th>
                  <th>Stall, KCAS</th>
                  <th>Normal, KIAS</th>
                  <th>Short-field</th>
                  <th>Power-off</th>
                  <th>Glide angle, °</th>
                  <th>Limit, KIAS</th>
                  <th>Aim in the windscreen</th>
                  <th>IAS CAS pairs, one a line</th>
                  <th />
                </tr>
              </thead>
              <tbody>
                <tr v-for="(flap, i) in draft.flaps" :key="i" class="align-top">
                  <td class="py-1 pr-2">
                    <input v-model="flap.name" class="field" maxlength="80" :aria-label="`Flap ${i + 1}: name`" />
                  </td>
                  <td class="py-1 pr-2">
                    <input
                      v-model.number="flap.stall_kcas"
                      class="field figure"
                      type="number"
                      step="any"
                      :aria-label="`Flap ${i + 1}: stall`"
                    />
                  </td>
                  <td
                    v-for="field in [
                      'normal_approach_kias',
                      'short_field_approach_kias',
                      'power_off_approach_kias',
                      'idle_path_angle_deg',
                      'limit_kias',
                    ] as const"
                    :key="field"
                    class="py-1 pr-2"
                  >
                    <input
                      class="field figure"
                      type="number"
                      step="any"
                      :aria-label="`Flap ${i + 1}: ${field}`"
                      :value="flap[field] ?? ''"
                      placeholder="–"
                      @change="
                        flap[field] =
                          ($event.target as HTMLInputElement).value === ''
                            ? null
                            : Number(($event.target as HTMLInputElement).value)
                      "
                    />
                  </td>
                  <td class="py-1 pr-2">
                    <input
                      class="field"
                      maxlength="80"
                      placeholder="a fist above the coaming"
                      :aria-label="`Flap ${i + 1}: aim point in the windscreen`"
                      :value="flap.windscreen_mark ?? ''"
                      @change="flap.windscreen_mark = picked($event) || null"
                    />
                  </td>
                  <td class="py-1 pr-2">
                    <textarea
                      class="field figure !text-sm"
                      rows="3"
                      :aria-label="`Flap ${i + 1}: IAS CAS pairs`"
                      :value="pairs(flap)"
                      @change="setPairs(flap, i, ($event.target as HTMLTextAreaElement).value)"
                    />
                    <p v-if="pairProblem[i]" role="alert" class="text-sm font-bold text-fail-ink">
                      {{ pairProblem[i] }}
                    </p>
                  </td>
                  <td class="py-1">
                    <button
                      type="button"
                      class="button !px-3"
                      :disabled="draft.flaps.length < 2"
                      :aria-label="`Remove flap ${i + 1}`"
                      @click="draft.flaps.splice(i, 1)"
                    >
                      ×
                    </button>
                  </td>
                </tr>
              </tbody>
            </table>
          </div>
          <button v-if="mayChange" type="button" class="button" :disabled="draft.flaps.length >= 8" @click="addFlap">
            Another setting
          </button>
        </section>
        <section class="panel space-y-3" aria-label="Speeds of the legs">
          <h3 class="font-bold">Speeds of the legs</h3>
          <button v-if="!draft.ladder" type="button" class="button" @click="addLadder">Enter them</button>
          <div
            v-for="leg in draft.ladder ? LEGS : []"
            :key="leg"
            class="grid grid-cols-2 items-center gap-2 sm:grid-cols-[5.5rem_5rem_1fr_1.3fr]"
          >
            <span class="font-bold capitalize">{{ leg }}</span>
            <input
              v-model.number="draft.ladder![leg].kias"
              class="field figure"
              type="number"
              step="any"
              :aria-label="`${leg}: KIAS`"
            />
            <select v-model="draft.ladder![leg].flap" class="field" :aria-label="`${leg}: flap`">
              <option v-for="flap in draft.flaps" :key="flap.name" :value="flap.name">flap {{ flap.name }}</option>
            </select>
            <input
              v-model="draft.ladder![leg].power"
              class="field"
              maxlength="80"
              :aria-label="`${leg}: power reference`"
            />
          </div>
          <p class="text-sm text-soft">Power is where to start, not a target.</p>
        </section>
        <section class="panel space-y-2" aria-label="Flows and callouts">
          <h3 class="font-bold">Flows and callouts, one a line</h3>
          <details v-for="phase in PHASES" :key="phase">
            <summary class="min-h-11 cursor-pointer content-center capitalize">
              {{ phase }} <span class="text-soft">({{ flow(phase)?.items.length ?? 0 }})</span>
            </summary>
            <textarea
              class="field"
              rows="4"
              :aria-label="`${phase}: flow`"
              :value="flow(phase)?.items.join('\n') ?? ''"
              @change="setFlow(phase, 'items', ($event.target as HTMLTextAreaElement).value)"
            />
            <textarea
              class="field"
              rows="2"
              placeholder="callouts"
              :aria-label="`${phase}: callouts`"
              :value="(flow(phase)?.callouts ?? []).join('\n')"
              @change="setFlow(phase, 'callouts', ($event.target as HTMLTextAreaElement).value)"
            />
          </details>
        </section>
      </fieldset>
      <p class="text-sm text-soft">
        Usual weight of a briefed flight:
        {{
          round(
            (draft.empty_weight_lb as number) +
              (((draft.max_weight_lb as number) - (draft.empty_weight_lb as number)) * 2) / 3,
            10,
          )
        }}
        lb, two people and half the fuel.
      </p>
    </form>
  </div>
</template>
