<script setup lang="ts">
/** Made for one thumb in sunlight, with or without a network: where it touched, how it ended, how it was. */
import { say } from '@/said'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { LIMITS } from '@/api/limits'
import { api } from '@/api/calls'
import { forgetSortie, lapsQuery, planQuery, sessionQuery, sortieQuery, windAsked } from '@/api/queries'
import type { Brief, LandingKind, LapIn, Outcome, Sortie } from '@/api/types'
import Choice from '@/components/Choice.vue'
import GoAroundCalls from '@/components/GoAroundCalls.vue'
import LapMarks from '@/components/LapMarks.vue'
import LapMore from '@/components/LapMore.vue'
import LapResult from '@/components/LapResult.vue'
import Loading from '@/components/Loading.vue'
import NextFigures from '@/components/NextFigures.vue'
import Stepper from '@/components/Stepper.vue'
import TakeAlong from '@/components/TakeAlong.vue'
import TrackSwitch from '@/components/TrackSwitch.vue'
import WindDial from '@/components/WindDial.vue'
import { useHoldTimer } from '@/composables/useHoldTimer'
import { useKeys } from '@/composables/useKeys'
import { useLapRecorder } from '@/composables/useLapRecorder'
import { useNextLap } from '@/composables/useNextLap'
import { useWakeLock } from '@/composables/useWakeLock'
import { useWidth } from '@/composables/useWidth'
import { usePhrases } from '@/composables/usePhrases'
import type { LapState, Mark } from '@/marks'
import { isOutOfReach } from '@/offline/aboard'
import { link } from '@/offline/link'
import { useSync } from '@/offline/sync'
import { useUndo } from '@/stores/undo'
import type { WindRead } from '@/offline/wind'
import { clamp, landingLength, marksOf, pavedStart, windowAround, type Marks } from '@/strip/places'
import Strip, { type Touch } from '@/strip/Strip.vue'
import {
  fixed,
  EXERCISE_LABEL,
  LANDING_LABEL,
  NOT_LANDED,
  OUTCOME_LABEL,
  OUTCOMES,
  round,
  signed,
  wholeDirection,
  windWords,
} from '@/words'

const LISTED = 10
const route = useRoute()
const id = Number(route.params.id)
const sync = useSync()
const client = useQueryClient()
const session = useQuery(sessionQuery)
const sortieState = useQuery(sortieQuery(id))
const planState = useQuery(planQuery(id))
const lapsState = useQuery(lapsQuery(id))
const sortie = computed(() => sortieState.data.value)
const laps = computed(() => lapsState.data.value?.laps ?? [])
const person = computed(() => session.data.value?.person ?? null)
const mayRecord = computed(() => person.value?.role !== 'student')
const recorder = useLapRecorder(id, laps, person)
const undo = useUndo()
/** A lap that is to be put right opens when the debrief sends here. */
const asked = typeof route.query.lap === 'string' ? route.query.lap : null
const stop = watch(
  laps,
  (now) => {
    if (!asked || !now.some((one) => one.id === asked)) return
    recorder.open(asked)
    queueMicrotask(() => stop())
  },
  { immediate: true },
)
const { values, lap, current, shown } = recorder
const plan = computed(() => planState.data.value?.plan)
const next = useNextLap(id, sortie, plan, shown, recorder.draft)
const { brief, figures } = next
/** Nobody can be asked, and nothing was taken along: what is noted is kept all the same. */
const isCutOff = computed(() => isOutOfReach(next.briefState.error.value))
/** Limits are of aircraft, school and student, not of a lap: the last that were read hold on. */
const limits = ref<Brief['wind']['limits'] | null>(null)
watch(figures, (now) => (limits.value = now?.wind.limits ?? limits.value), { immediate: true })
/** What is drawn and tapped: the runway of the lap in hand, else of the next one. */
const runway = computed(() => next.runwayOf(current.value ? next.endOf(current.value.values) : next.endId.value))
const { isHeld: staysLit } = useWakeLock()
/** What is named above: the kind of the lap in hand, before it is begun that of the next. */
const kindShown = computed(
  () => current.value?.values.landing ?? (current.value ? (sortie.value?.landing ?? 'normal') : next.landing.value),
)
const number = computed(() => current.value?.number ?? shown.value.length + 1)
const ended = computed(() => current.value !== null)

const frame = ref<HTMLElement | null>(null)
const width = useWidth(frame)
/** What the large figure is: the next lap's, and for which spot, where that is not the sortie's own or a lap is in hand. */
const aimLabel = computed(() => {
  const isOther = ended.value || next.spotFt.value !== sortie.value?.spot_ft
  const words = shown.value.length ? say('laps.next-aim-point') : say('common.aim-point')
  return isOther ? say('laps.spot', { words, spot_ft: round(next.spotFt.value) }) : words
})
const spot = computed(() =>
  current.value
    ? (lap.value?.spot_ft ?? current.value.values.spot_ft ?? sortie.value?.spot_ft ?? 0)
    : next.spotFt.value,
)
const view = computed(() =>
  runway.value
    ? windowAround(runway.value, spot.value, width.value, width.value < 500 ? 2.6 : 1.9)
    : { from: 0, to: 1 },
)
/** A lap in hand is drawn against what it was flown by; the next one against its brief. */
const marks = computed<Marks | null>(() => {
  const go_around_point_ft = figures.value?.ground.go_around_point_ft ?? null
  if (lap.value) {
    const { spot_ft, box_ft, aim_point_ft, aim_is_good } = lap.value
    return {
      spot_ft,
      box_ft: box_ft as [number, number],
      aim_point_ft,
      aim_is_good,
      go_around_point_ft,
    }
  }
  if (!ended.value) return figures.value && marksOf(figures.value)
  // flown, and not yet known to the server: its own spot and aim, as this device has them
  const own = here.value
  return {
    spot_ft: spot.value,
    box_ft: own?.box_ft ?? [spot.value, spot.value],
    go_around_point_ft,
    aim_point_ft: own?.aim_ft ?? current.value?.values.aim_point_ft ?? null,
    aim_is_good: true,
  }
})
const touches = computed<Touch[]>(() => {
  const along = current.value?.values.along_ft
  if (along === null || along === undefined) return []
  return [{ key: 'now', along, lateral: values.value?.lateral_ft ?? null, label: String(number.value), strong: true }]
})

const state = ref<LapState>('takeoff')
// of a lap that did not land, what was seen on final tells why
const hasLanded = computed(() => !current.value || !NOT_LANDED.has(current.value.values.outcome))
watch([recorder.id, hasLanded], ([now, it]) => (state.value = now ? (it ? 'touched' : 'final') : 'takeoff'))

/** What a lap carries of the plan, and of the aim that this device worked out, when it ends. */
function asPlanned(): Partial<LapIn> {
  if (ended.value || !sortie.value) return {}
  // said outright: the sortie may have been changed elsewhere before this lap is sent
  const part: Partial<LapIn> = {
    landing: next.landing.value,
    spot_ft: next.spotFt.value,
    runway_end_id: next.endId.value,
  }
  if (next.isFromDevice.value && figures.value) part.aim_point_ft = Math.round(figures.value.aim.aim_point_ft)
  return part
}
function tap(place: { along: number; lateral: number }) {
  if (!mayRecord.value) return
  const before = current.value?.values.outcome
  void recorder.change('touchdown', {
    ...asPlanned(),
    along_ft: place.along,
    lateral_ft: place.lateral,
    ...(before && NOT_LANDED.has(before) ? { outcome: 'touch_and_go' as const } : {}),
    known_by: { along_ft: 'tapped', lateral_ft: 'tapped' },
  })
}
function nudge(by: { along: number; lateral: number }) {
  const now = recorder.latest()
  const on = runway.value
  if (!on) return
  const half = on.width_ft / 2
  tap({
    along: clamp((now.along_ft ?? spot.value) + by.along, pavedStart(on) - 50, landingLength(on)),
    lateral: clamp((now.lateral_ft ?? 0) + by.lateral, -half, half),
  })
}
function end(outcome: Outcome) {
  void recorder.change(OUTCOME_LABEL[outcome].toLowerCase(), {
    ...asPlanned(),
    outcome,
    ...(NOT_LANDED.has(outcome) ? { along_ft: null, lateral_ft: null } : {}),
  })
}
const set = (what: string, part: Partial<LapIn>) => void recorder.note(what, part)
const { phrases, used } = usePhrases(person)
function setNote(text: string) {
  if (text) used(text)
  set('note', { note: text || null })
}
const hold = useHoldTimer({
  onEnd: (seconds) => set(say('laps.float-time'), { float_s: seconds, known_by: { float_s: 'timed' } }),
})
const floatShown = computed(() => {
  if (hold.isHeld.value) return fixed(hold.seconds.value, 1)
  return values.value?.float_s == null ? '–' : fixed(values.value.float_s, 1)
})
function holdKey(event: KeyboardEvent, act: () => void) {
  if (event.key === ' ' || event.key === 'Enter') {
    event.preventDefault()
    act()
  }
}

function go(way: number) {
  const at = shown.value.findIndex((one) => one.id === recorder.id.value)
  const from = at < 0 ? shown.value.length : at
  const to = from + way
  recorder.open(shown.value[to]?.id ?? (to >= shown.value.length ? null : recorder.id.value))
}
useKeys({ n: recorder.begin, g: () => mayRecord.value && end('go_around'), '[': () => go(-1), ']': () => go(1) })
/** A long day's laps are unfolded on demand. */
const listAll = ref(false)
const listed = computed(() => (listAll.value ? shown.value : shown.value.slice(-LISTED)))
const landed = computed(() => !ended.value || !NOT_LANDED.has(current.value!.values.outcome))
const here = computed(() => (current.value && !lap.value ? next.resultHere(current.value) : null))
const more = ref(false)
const unfolded = ref(false)
const fieldErrors = computed(() => current.value?.fields ?? {})

/** What this student was marked with lately, and on the laps of today. */
const usualMarks = computed(() => [
  ...(planState.data.value?.usual_marks ?? []),
  ...shown.value.flatMap((one) => one.values.marks ?? []),
])
/** Calls that make no sense of this aircraft or landing. */
const impossible = computed<Mark[]>(() => [
  ...(sortie.value?.is_retractable ? [] : (['gear_late'] as const)),
  ...(sortie.value?.has_tailwheel
    ? (['nosewheel_held_down', 'nosewheel_not_held'] as const)
    : (['tail_first'] as const)),
  ...(kindShown.value === 'three_point' ? [] : (['mains_first'] as const)),
])

/** The wind of now, from which all that comes is briefed: asked for by one tap. */
const asksWind = ref<'now' | 'lap' | null>(null)
/** The wind as it was read on the lap in hand; null: as briefed. */
const windOfLap = computed<WindRead | null>(() => {
  const read = values.value
  if (!ended.value || read?.wind_kt == null) return null
  return {
    from_deg_mag: wholeDirection(read.wind_dir_deg_mag ?? null),
    kt: read.wind_kt,
    gust_kt: read.gust_kt ?? null,
  }
})
const saidOf = (wind: WindRead | null, none: string) =>
  wind ? windWords({ wind_dir_deg_mag: wind.from_deg_mag, wind_kt: wind.kt, gust_kt: wind.gust_kt }) : none
const windStart = computed<WindRead | null>(() => {
  if (next.windRead.value) return next.windRead.value
  const given = sortie.value
  if (!given || given.wind_kt === null) return null
  return { from_deg_mag: wholeDirection(given.wind_dir_deg_mag), kt: given.wind_kt, gust_kt: given.gust_kt }
})
const windNow = computed(() => saidOf(windStart.value, say('common.not-given')))
const dialEnds = computed(() =>
  next.ends.value.map((one) => ({ id: one.id, ident: one.runway.ident, courseDegMag: one.course_deg_mag })),
)
/** Put right, or taken back, on a lap that was flown. */
function setWindOfLap(wind: WindRead | null) {
  set('wind', {
    wind_dir_deg_mag: wind?.from_deg_mag ?? null,
    wind_kt: wind?.kt ?? null,
    gust_kt: wind?.gust_kt ?? null,
    ...(wind ? { known_by: { wind_kt: 'read' as const } } : {}),
  })
}
const windOfSortie = ({ wind_dir_deg_mag, wind_kt, gust_kt, wind_source }: Sortie) => ({
  ...{ wind_dir_deg_mag, wind_kt, gust_kt, wind_source },
})
/** With a network the whole sortie follows at once; without one the lap carries the wind, and the sortie follows it. */
async function tellSortie(wind: Parameters<typeof api.changeSortie>[1]) {
  if (!link.reached.value) return
  try {
    await api.changeSortie(id, wind)
    await forgetSortie(client, id)
  } catch {
    // it stays with the lap, and is sent with it
  }
}
async function useWind(wind: WindRead, endId: number) {
  const isOfLap = asksWind.value === 'lap'
  asksWind.value = null
  if (isOfLap) return setWindOfLap(wind)
  const before = { ...recorder.draft.value }
  // read now, so it belongs to the lap that is being flown, whichever one is looked at
  if (ended.value) recorder.begin()
  await recorder.keepDraft({
    ...recorder.draft.value,
    wind_dir_deg_mag: wind.from_deg_mag,
    wind_kt: wind.kt,
    gust_kt: wind.gust_kt,
    known_by: { ...recorder.draft.value.known_by, wind_kt: 'read' },
    ...(endId === next.endId.value ? {} : { runway_end_id: endId }),
  })
  const was = sortie.value
  undo.done('wind', async () => {
    await recorder.keepDraft(before)
    // a wind of another hour does not become one of now by being taken back
    if (was?.weather_given === 'old') await tellSortie({ wind_kt: null, wind_dir_deg_mag: null, gust_kt: null })
    else if (was) await tellSortie(windOfSortie(was))
  })
  await tellSortie({ ...windAsked(wind), wind_source: 'sock' })
}
const KINDS = computed<LandingKind[]>(() => {
  const planned = (plan.value?.lap_plan.laps ?? [])
    .map((one) => one.kind)
    .filter((kind): kind is LandingKind => kind in LANDING_LABEL)
  return [...new Set([next.landing.value, ...(sortie.value ? [sortie.value.landing] : []), ...planned])].sort()
})
const endChoices = computed(() => next.ends.value.map((one) => ({ value: String(one.id), label: one.runway.ident })))
/** A runway on which this cannot be flown is left again, and that is said. */
const runwayProblem = ref('')
watch(next.briefState.error, (error) => {
  if (!error || !recorder.draft.value.runway_end_id) return
  runwayProblem.value = error.message
  void recorder.keepDraft({ ...recorder.draft.value, runway_end_id: undefined })
})
watch(next.endId, (now) => now !== sortie.value?.runway_end_id && (runwayProblem.value = ''))
const kindChoices = computed(() => KINDS.value.map((value) => ({ value, label: LANDING_LABEL[value] })))
</script>

<template>
  <Loading
    v-if="!sortie || !lapsState.data.value || (!figures && !isCutOff && !next.isAsking.value)"
    :error="sortieState.error.value ?? next.briefState.error.value ?? lapsState.error.value"
    :retry="() => [sortieState.refetch(), next.briefState.refetch(), lapsState.refetch()]"
  />
  <div v-else class="space-y-3">
    <div class="flex flex-wrap items-center gap-2">
      <h1 class="mr-2 text-2xl font-bold">
        {{ ended ? say('common.lap-number', { number }) : say('laps.next-lap', { shown: shown.length + 1 }) }}
      </h1>
      <span class="hidden text-soft sm:inline">
        {{ sortie.student.name }} · {{ LANDING_LABEL[kindShown] }} · {{ runway?.ident }}
      </span>
      <button
        v-if="mayRecord && limits"
        type="button"
        class="button !min-h-14 !px-3"
        :aria-label="say('laps.wind-change-it', { wind_now: windNow })"
        @click="asksWind = 'now'"
      >
        <span aria-hidden="true">{{ say('common.wind') }}</span> <span class="figure">{{ windNow }}</span>
      </button>
      <span v-else>{{ windNow }}</span>
      <WindDial
        v-if="limits"
        :open="asksWind !== null"
        :of-lap="asksWind === 'lap' ? number : null"
        :ends="asksWind === 'lap' ? dialEnds.filter((one) => one.id === next.endOf(values)) : dialEnds"
        :end-id="asksWind === 'lap' ? next.endOf(values) : next.endId.value"
        :start="asksWind === 'lap' ? (windOfLap ?? windStart) : windStart"
        :limits="limits"
        @close="asksWind = null"
        @use="useWind"
      />
      <span class="flex-1" />
      <nav class="flex flex-wrap gap-1.5" :aria-label="say('common.laps')">
        <button
          v-if="listed.length < shown.length"
          type="button"
          class="button !min-h-14 !px-3"
          @click="listAll = true"
        >
          {{ say('laps.n-1-to', { listed: shown.length - listed.length }) }}
        </button>
        <button
          v-for="one in listed"
          :key="one.id"
          type="button"
          class="figure min-h-14 min-w-14 rounded-lg border-2 px-2 text-lg"
          :class="one.id === recorder.id.value ? 'border-ink bg-button text-button-text' : 'border-line bg-card'"
          :aria-current="one.id === recorder.id.value"
          :aria-label="say('common.lap-number', { number: one.number })"
          @click="recorder.open(one.id)"
        >
          {{ one.number }}<span v-if="one.waits" aria-hidden="true">·</span>
        </button>
        <button
          v-if="mayRecord"
          type="button"
          class="button !min-h-14 !px-3"
          :class="ended ? 'button-main' : ''"
          :disabled="!ended"
          @click="recorder.begin()"
        >
          {{ say('common.next-lap') }}
        </button>
      </nav>
    </div>

    <NextFigures
      :figures="figures"
      :night="plan?.night ?? null"
      :aim-label="aimLabel"
      :is-from-device="next.isFromDevice.value"
      :is-asking="next.isAsking.value"
    />

    <section class="panel !p-2" :aria-label="say('laps.strip')">
      <p class="px-1 font-bold">
        {{
          touches.length
            ? say('laps.touched-ft-in-ft-from', {
                along_ft: round(values?.along_ft),
                spot: signed((values?.along_ft ?? 0) - spot),
              })
            : !landed
              ? say('laps.tap-the-strip-if-the', { outcome: OUTCOME_LABEL[current!.values.outcome] })
              : say('laps.tap-the-strip-where-the')
        }}
        <span v-if="touches.length && values?.lateral_ft" class="font-normal">
          {{
            say('laps.ft-of-the-centreline', {
              lateral_ft: Math.abs(values.lateral_ft),
              lateral_ft_2: values.lateral_ft > 0 ? say('common.right') : say('common.left'),
            })
          }}
        </span>
        <span v-if="ended && recorder.onlyInMemory.value && current?.waits" class="font-normal text-fail-ink">
          {{ ' ' + say('laps.only-on-this-page-keep') }}</span
        >
        <span v-else-if="ended" class="font-normal text-pass-ink">
          {{ ' ' + say('laps.saved', { waits: current?.waits ? ' ' + say('laps.on-this-device') : '' }) }}
        </span>
      </p>
      <div ref="frame" class="w-full overflow-hidden">
        <Strip
          v-if="width > 0"
          :runway="runway!"
          :brief="marks"
          :touches="touches"
          :from="view.from"
          :to="view.to"
          :width="width"
          :runway-height="150"
          :can-tap="mayRecord"
          @tap="tap"
          @nudge="nudge"
        />
      </div>
      <div
        v-if="current?.refused"
        role="alert"
        class="mt-1 flex flex-wrap items-center gap-3 bg-warn-wash p-2 font-bold"
      >
        <span class="flex-1">{{ say('laps.the-server-did-not-take', { refused: current.refused }) }}</span>
        <button type="button" class="button" @click="sync.again(current.id)">{{ say('common.send-again') }}</button>
        <button type="button" class="button" @click="sync.drop(current.id)">{{ say('laps.drop-the-change') }}</button>
      </div>
    </section>

    <section
      v-if="mayRecord"
      class="grid grid-cols-3 gap-1.5 sm:grid-cols-6 sm:gap-2"
      :aria-label="say('laps.how-it-ended')"
    >
      <button
        v-for="outcome in OUTCOMES"
        :key="outcome"
        type="button"
        class="button !min-h-14 !px-1 text-sm leading-tight sm:!min-h-16 sm:text-lg"
        :class="ended && values?.outcome === outcome ? 'button-main' : ''"
        :aria-pressed="ended && values?.outcome === outcome"
        @click="end(outcome)"
      >
        <span v-if="ended && values?.outcome === outcome" aria-hidden="true">✓</span>{{ OUTCOME_LABEL[outcome] }}
      </button>
    </section>

    <div class="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)]">
      <section v-if="mayRecord" class="panel space-y-3" :aria-label="say('laps.what-was-seen-of-this')">
        <LapMarks
          v-model:state="state"
          :values="values ?? {}"
          :latest="recorder.latest"
          :usual="usualMarks"
          :without="impossible"
          @set="set"
        />
        <GoAroundCalls
          v-if="current?.values.outcome === 'go_around' && runway"
          :values="values ?? {}"
          :latest="recorder.latest"
          :landing-ft="landingLength(runway)"
          :errors="fieldErrors"
          @set="set"
        />
        <div v-if="landed" class="grid grid-cols-2 gap-3">
          <Stepper
            :model-value="values?.threshold_speed_kias ?? null"
            :latest="() => recorder.latest().threshold_speed_kias"
            :label="say('laps.speed-over-threshold')"
            unit="kt"
            tall
            :min="LIMITS.speedKias.min"
            :max="LIMITS.speedKias.max"
            :start="Math.round(figures?.speed.approach_speed_kias ?? 60)"
            empty-word="–"
            :error="fieldErrors.threshold_speed_kias"
            @update:model-value="
              set(say('laps.threshold-speed'), {
                threshold_speed_kias: $event,
                known_by: { threshold_speed_kias: 'read' },
              })
            "
          />
          <div>
            <span class="heading block">{{ say('laps.float-hold-while-it-floats') }}</span>
            <button
              type="button"
              class="button w-full select-none !min-h-14 touch-none text-xl"
              :class="hold.isHeld.value ? 'button-main' : ''"
              :aria-label="say('laps.s-hold-while-the-aeroplane', { float_shown: floatShown })"
              @pointerdown="hold.start()"
              @pointerup="hold.stop()"
              @pointerleave="hold.stop()"
              @pointercancel="hold.stop()"
              @keydown="holdKey($event, hold.start)"
              @keyup="holdKey($event, hold.stop)"
              @contextmenu.prevent
            >
              <span class="figure">{{ floatShown }}</span>
              s
            </button>
          </div>
        </div>
        <button type="button" class="button w-full !min-h-14" :aria-expanded="more" @click="more = !more">
          {{ more ? say('common.less') : say('laps.more-who-flew-leave-out') }}
        </button>
        <LapMore
          v-if="more && runway"
          :values="values ?? {}"
          :latest="recorder.latest"
          :is-alone="sortie.alone"
          :ended="ended"
          :runway="runway"
          :spot-ft="spot"
          :aim-ft="brief?.aim.aim_point_ft ?? null"
          :approach-kias="figures?.speed.approach_speed_kias ?? null"
          :roll-ft="plan?.takeoff.ground_roll_ft ?? null"
          :phrases="phrases"
          :wind-words="saidOf(windOfLap, say('laps.as-briefed'))"
          :has-wind="windOfLap !== null"
          :errors="fieldErrors"
          @set="set"
          @note="setNote"
          @ask-wind="asksWind = 'lap'"
          @forget-wind="setWindOfLap(null)"
          @remove="recorder.remove()"
        />
      </section>

      <LapResult
        v-if="current"
        v-model:unfolded="unfolded"
        :lap="lap"
        :here="here"
        :aim-ft="lap?.aim_point_ft ?? current.values.aim_point_ft ?? null"
        :spot-ft="spot"
        :next="
          figures && {
            spot_ft: next.spotFt.value,
            aim_point_ft: figures.aim.aim_point_ft,
            aim_is_good: figures.aim.aim_is_good,
            speed_kias: figures.speed.approach_speed_kias,
            go_around_point_ft: figures.ground.go_around_point_ft,
          }
        "
        :excluded="current.values.excluded ?? null"
      />
      <section v-else class="panel space-y-3" :aria-label="say('laps.before-the-lap')">
        <div class="flex flex-wrap items-baseline gap-x-3">
          <p v-if="next.planned.value" class="text-lg">
            {{ say('laps.lap-plan') }} <b>{{ EXERCISE_LABEL[next.planned.value.kind] }}</b>{{
              say('laps.watch', { watch: next.planned.value.watch })
            }}
          </p>
          <RouterLink
            class="ml-auto inline-flex min-h-11 items-center font-bold underline"
            :to="{ name: 'lap-plan', params: { id } }"
          >
            {{ say('common.lap-plan') }}
          </RouterLink>
        </div>
        <template v-if="mayRecord">
          <Choice
            :model-value="next.landing.value"
            :label="say('laps.landing-of-this-lap')"
            tall
            :options="kindChoices"
            @update:model-value="recorder.keepDraft({ ...recorder.draft.value, landing: $event as LandingKind })"
          />
          <Choice
            v-if="endChoices.length > 1"
            :model-value="String(next.endId.value)"
            :label="say('laps.runway-of-this-lap-and')"
            tall
            :options="endChoices"
            @update:model-value="recorder.keepDraft({ ...recorder.draft.value, runway_end_id: Number($event) })"
          />
          <Stepper
            :model-value="next.spotFt.value"
            :label="say('laps.spot-of-this-lap')"
            unit="ft"
            tall
            :min="0"
            :max="landingLength(runway!) - 50"
            :step="50"
            @update:model-value="recorder.keepDraft({ ...recorder.draft.value, spot_ft: $event ?? sortie.spot_ft })"
          />
        </template>
        <p v-if="runwayProblem" role="alert" class="font-bold text-fail-ink">{{ runwayProblem }}</p>
        <template v-if="brief">
          <p class="text-lg font-bold">{{ brief.aim.roundout_cue.words }}</p>
          <p class="text-sm text-soft">{{ brief.basis.words }}</p>
        </template>
        <div v-if="mayRecord" class="space-y-2 border-t border-line pt-2">
          <TrackSwitch v-if="person" :sortie-id="id" :person-id="person.id" />
          <div class="flex items-center gap-3 text-sm text-soft">
            <TakeAlong :sortie-id="id" class="lg:hidden" />
            <span>{{ staysLit ? say('laps.the-screen-stays-on-while') : '' }}</span>
          </div>
        </div>
      </section>
    </div>
  </div>
</template>
