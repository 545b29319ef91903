<script setup lang="ts">
/** The laps of the sortie together: where they lie, how far they spread, why, and the one change. */
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { api } from '@/api/calls'
import { briefQuery, lapsQuery, planQuery, sessionQuery, sortieQuery, tracksQuery } from '@/api/queries'
import type { Lap } from '@/api/types'
import FeetBar from '@/components/FeetBar.vue'
import Figure from '@/components/Figure.vue'
import Loading from '@/components/Loading.vue'
import WaitingLaps from '@/components/WaitingLaps.vue'
import ExaminedPanel from '@/record/ExaminedPanel.vue'
import ProposeSigning from '@/record/ProposeSigning.vue'
import { useWidth } from '@/composables/useWidth'
import { useNextLap } from '@/composables/useNextLap'
import { shownLaps } from '@/offline/shown'
import { useSync } from '@/offline/sync'
import { windowAround, marksOf, type Marks } from '@/strip/places'
import Strip, { type Touch } from '@/strip/Strip.vue'
import { clock, LANDING_LABEL, OUTCOME_LABEL, round, signed, windWords } from '@/words'

const id = Number(useRoute().params.id)
const sortieState = useQuery(sortieQuery(id))
const briefState = useQuery(briefQuery(id))
const lapsState = useQuery(lapsQuery(id))
const session = useQuery(sessionQuery)
const sync = useSync()
const mayChange = computed(() => session.data.value?.person?.role !== 'student')
const sortie = computed(() => sortieState.data.value)
const laps = computed(() => lapsState.data.value?.laps ?? [])
const summary = computed(() => lapsState.data.value?.summary)
/** What the errors are counted from: the same for all laps of one technique. */
const counted = computed(
  () => laps.value.find((one) => one.diagnosis.error_ft !== null)?.diagnosis.counted_from ?? 'the target',
)
/** Laps of this device that the server does not know yet. */
const withWaiting = computed(() =>
  shownLaps(
    laps.value,
    sync.waiting.filter((one) => one.sortie_id === id),
  ),
)
const plan = useQuery(planQuery(id))
const onDevice = useNextLap(
  id,
  sortie,
  computed(() => plan.data.value?.plan),
  withWaiting,
  ref({}),
)
const waiting = computed(() =>
  withWaiting.value.filter((one) => !one.result).map((lap) => ({ lap, here: onDevice.resultHere(lap) })),
)
const unreadable = computed(() => lapsState.data.value?.unreadable.length ?? 0)
const brief = computed(() => briefState.data.value?.brief)

const frame = ref<HTMLElement | null>(null)
const width = useWidth(frame)
/** Laps are compared at the spot of today: one flown to another spot keeps its distance from it. */
const touches = computed<Touch[]>(() =>
  laps.value
    .filter((lap) => lap.along_ft !== null)
    .map((lap) => ({
      key: lap.id,
      along: lap.along_ft! - lap.spot_ft + (sortie.value?.spot_ft ?? lap.spot_ft),
      lateral: lap.lateral_ft,
      label: String(lap.number),
      strong: lap.score.hit === true,
    })),
)
/** Wide enough for every touchdown, the worst too, whatever the screen. */
const view = computed(() => {
  if (!sortie.value) return { from: 0, to: 1 }
  const around = windowAround(sortie.value.runway, sortie.value.spot_ft, width.value, 1.9)
  const places = touches.value.map((one) => one.along)
  return {
    from: Math.min(around.from, ...places.map((ft) => ft - 60)),
    to: Math.max(around.to, ...places.map((ft) => ft + 60)),
  }
})
const moved = computed(() => laps.value.some((lap) => lap.spot_ft !== sortie.value?.spot_ft))
const marks = computed<Marks | null>(() =>
  brief.value ? { ...marksOf(brief.value), predicted_band_ft: undefined } : null,
)
/** One scale for all bars, so that laps can be compared: the longest run of parts to either side. */
const reach = computed(() =>
  Math.max(
    100,
    ...laps.value.flatMap((lap) =>
      [1, -1].map((way) => lap.diagnosis.parts.reduce((sum, part) => sum + Math.max(0, way * (part.feet ?? 0)), 0)),
    ),
  ),
)
const criterion = (lap: Lap, name: string) => lap.score.criteria.find((one) => one.name === name)
/** How well a measured touchdown is known; taps say it nowhere else either. */
const halfWidth = (lap: Lap) =>
  lap.known_by.along_ft === 'tracked'
    ? (lap.readings.along_ft as Record<string, { half_width: number | null }>).tracked?.half_width
    : null
const flights = useQuery({ ...tracksQuery, retry: false })
const ofSortie = computed(() => flights.data.value?.tracks.filter((one) => one.sortie_id === id) ?? [])
const pieces = useQuery({ queryKey: ['pieces', id], queryFn: () => api.tracks(id), retry: false })
watch(
  () => sync.pieces,
  () => void pieces.refetch(),
) // one that waited on this device has been sent
const router = useRouter()
const problem = ref('')
async function measure() {
  try {
    const line = await api.measureFromTablet(id)
    await router.push({ name: 'track', params: { track: line.id } })
  } catch (error) {
    problem.value = error instanceof Error ? error.message : 'It could not be measured.'
  }
}
/** Pages of the faults that were seen in these laps, the most frequent first. */
const faults = useQuery({ queryKey: ['faults'], queryFn: () => api.faults(null, null), retry: false })
function seenIn(lap: Lap): string[] {
  const place = from(lap)
  return [
    ...lap.marks,
    ...(lap.bounced ? ['bounced'] : []),
    ...(lap.ballooned ? ['ballooned'] : []),
    ...(lap.drift === 'left' || lap.drift === 'right' ? ['drifted'] : []),
    ...(place !== null && lap.score.hit === false ? [place < 0 ? 'going_short' : 'going_long'] : []),
  ]
}
const toRead = computed(() => {
  const counts = new Map<string, number>()
  for (const lap of laps.value) for (const mark of seenIn(lap)) counts.set(mark, (counts.get(mark) ?? 0) + 1)
  return (faults.data.value?.faults ?? [])
    .map((one) => ({ ...one, number: one.marks.reduce((sum, mark) => sum + (counts.get(mark) ?? 0), 0) }))
    .filter((one) => one.number)
    .sort((a, b) => b.number - a.number)
    .slice(0, 3)
})
/** Of a long day the latest laps stand open; the others unfold. */
const OPEN = 12
const showsAll = ref(false)
const shown = computed(() => (showsAll.value ? laps.value : laps.value.slice(-OPEN)))
const explained = computed(() => shown.value.filter((one) => one.diagnosis.error_ft !== null))
/** Each fault once, gravest first, with the laps that had it and the words of the worst. */
const restFaults = computed(() => {
  const found = new Map<string, { name: string; words: string; laps: Lap[]; size: number; worst: number | null }>()
  const order: string[] = []
  for (const lap of laps.value) {
    for (const [place, fault] of lap.around.faults.entries()) {
      const known = found.get(fault.name)
      if (!known) {
        order.splice(Math.max(place, 0), 0, fault.name)
        found.set(fault.name, { ...fault, laps: [lap], worst: fault.size ? lap.number : null })
      } else {
        known.laps.push(lap)
        if (fault.size > known.size) Object.assign(known, { size: fault.size, words: fault.words, worst: lap.number })
      }
    }
  }
  return order.map((name) => found.get(name)!)
})
const decided = computed(() => shown.value.some((one) => one.around.points !== null))
const from = (lap: Lap) => (lap.along_ft === null ? null : lap.along_ft - lap.spot_ft)
const verdict = (lap: Lap) =>
  lap.score.meets_standard === null ? '? not all seen' : lap.score.meets_standard ? '✓ meets' : '✕ not met'
</script>

<template>
  <Loading
    v-if="!sortie || !brief || !summary"
    :error="sortieState.error.value ?? briefState.error.value ?? lapsState.error.value"
    :retry="() => [sortieState.refetch(), briefState.refetch(), lapsState.refetch()]"
  />
  <div v-else class="space-y-3">
    <div class="flex flex-wrap items-baseline gap-x-3">
      <h1 class="text-2xl font-bold">Debrief: {{ sortie.student.name }}</h1>
      <p class="text-soft">
        {{ LANDING_LABEL[sortie.landing] }} · {{ sortie.airfield }} {{ sortie.runway.ident }} ·
        {{ sortie.aircraft.name }} · {{ windWords(sortie) }} · {{ sortie.standard.name }}
      </p>
    </div>
    <p v-if="unreadable" class="panel" role="alert">
      {{ unreadable === 1 ? 'One lap of this sortie is' : `${unreadable} laps of this sortie are` }} kept but cannot be
      read, and not shown here. Tell whoever runs Bullseye at your school; the others are complete.
    </p>
    <WaitingLaps v-if="waiting.length" :laps="waiting" />
    <p v-if="!laps.length && !waiting.length" class="panel">
      No lap flown yet.
      <RouterLink :to="{ name: 'laps', params: { id } }" class="font-bold underline">Record the first</RouterLink>
    </p>
    <template v-if="laps.length">
      <section class="panel border-l-8 !border-l-aim" aria-label="The one change">
        <p class="heading">The one change</p>
        <p class="text-2xl font-bold leading-snug">{{ summary.one_change }}</p>
        <p v-if="summary.luck_words" class="mt-1">{{ summary.luck_words }}</p>
        <p v-if="toRead.length" class="mt-1">
          Faults and remedies:
          <RouterLink
            v-for="one in toRead"
            :key="one.code"
            :to="`/faults#${one.code}`"
            class="mr-3 inline-flex min-h-11 items-center font-bold underline"
            >{{ one.name }} ({{ one.number }})</RouterLink
          >
        </p>
      </section>
      <div class="grid grid-cols-2 gap-2 md:grid-cols-4">
        <Figure
          label="In the box"
          :value="`${summary.hits} of ${summary.measured}`"
          :note="
            summary.landings - summary.measured
              ? `${summary.landings - summary.measured} touchdown not marked`
              : 'landings marked'
          "
        />
        <Figure
          label="Mean from the target"
          :value="signed(summary.mean_error_ft, 5)"
          :unit="summary.mean_error_ft === null ? '' : 'ft'"
          note="long or short on average"
        />
        <Figure
          label="Spread"
          :value="summary.spread_ft === null ? '–' : `±${round(summary.spread_ft, 5)}`"
          :unit="summary.spread_ft === null ? '' : 'ft'"
          note="how alike the laps are"
        />
        <Figure label="Go-arounds" :value="String(summary.go_arounds)" note="always a good answer" />
      </div>
      <section class="panel !p-2" aria-label="All laps on the strip">
        <div ref="frame" class="w-full overflow-hidden">
          <Strip
            v-if="width > 0"
            :runway="sortie.runway"
            :brief="marks"
            :touches="touches"
            :from="view.from"
            :to="view.to"
            :width="width"
            :runway-height="110"
          />
        </div>
        <p class="px-1 text-sm text-soft">
          White diamonds are in the box, dark ones outside.
          <span v-if="moved">Laps flown to another spot are drawn at their distance from it.</span>
        </p>
      </section>
      <section class="panel overflow-x-auto" aria-label="Laps against the standard" tabindex="0">
        <table class="w-full min-w-[44rem] text-left">
          <thead>
            <tr class="border-b border-line text-sm text-soft">
              <th class="py-1">Lap</th>
              <th>Ended</th>
              <th class="text-right">From spot</th>
              <th class="text-right">Speed off</th>
              <th class="text-right">Float</th>
              <th class="pl-3">Drift</th>
              <th class="text-right">Score</th>
              <th class="pl-3">{{ sortie.standard.name }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="lap in shown" :key="lap.id" class="border-b border-line">
              <td class="py-0.5">
                <RouterLink
                  :to="{ name: 'laps', params: { id }, query: { lap: lap.id } }"
                  class="figure flex min-h-11 min-w-11 items-center underline"
                  :aria-label="mayChange ? `Correct lap ${lap.number}` : `Lap ${lap.number}`"
                >
                  {{ lap.number }}
                </RouterLink>
              </td>
              <td>{{ OUTCOME_LABEL[lap.outcome] }}</td>
              <td class="figure whitespace-nowrap text-right">
                {{ from(lap) === null ? '–' : `${signed(from(lap))} ft`
                }}<span v-if="halfWidth(lap)" class="text-soft"> ±{{ round(halfWidth(lap)) }}</span>
              </td>
              <td class="figure whitespace-nowrap text-right">
                {{
                  typeof criterion(lap, 'speed')?.value === 'number'
                    ? `${signed(criterion(lap, 'speed')!.value as number)} kt`
                    : '–'
                }}
              </td>
              <td class="figure whitespace-nowrap text-right">
                {{ lap.float_s === null ? '–' : `${lap.float_s.toFixed(1)} s` }}
              </td>
              <td class="pl-3">{{ lap.drift ?? '–' }}</td>
              <td class="figure whitespace-nowrap text-right">
                {{ lap.score.points === null ? '–' : `${round(lap.score.points)}/${lap.score.out_of}` }}
              </td>
              <td
                class="whitespace-nowrap pl-3 font-bold"
                :class="
                  lap.score.meets_standard === null
                    ? 'text-soft'
                    : lap.score.meets_standard
                      ? 'text-pass-ink'
                      : 'text-fail-ink'
                "
              >
                {{ lap.outcome === 'go_around' ? 'not judged' : verdict(lap) }}
              </td>
            </tr>
          </tbody>
        </table>
        <button v-if="laps.length > OPEN" type="button" class="button mt-2" @click="showsAll = !showsAll">
          {{ showsAll ? `Only the last ${OPEN} laps` : `All ${laps.length} laps` }}
        </button>
        <p class="mt-1 text-sm text-soft">
          Tolerances quoted from memory; the current edition of the standard and the examiner decide.
        </p>
      </section>
      <section v-if="restFaults.length || decided" class="panel space-y-2" aria-labelledby="rest">
        <h2 id="rest" class="text-lg font-bold">The rest of the lap</h2>
        <p v-if="!restFaults.length">Nothing that was measured or marked was outside of its limits.</p>
        <ul class="divide-y divide-line">
          <li v-for="fault in restFaults" :key="fault.name" class="grid gap-x-3 py-1 sm:grid-cols-[1fr_16rem]">
            <span><b class="text-fail-ink">✕</b> {{ fault.words }}</span>
            <span class="text-sm text-soft">
              {{ fault.laps.length === 1 ? 'lap' : 'laps' }}
              <template v-for="(lap, k) in fault.laps" :key="lap.id"
                ><template v-if="k">, </template
                ><RouterLink :to="{ name: 'laps', params: { id }, query: { lap: lap.id } }" class="underline">{{
                  lap.number
                }}</RouterLink></template
              ><template v-if="fault.laps.length > 1 && fault.worst !== null">; worst on {{ fault.worst }}</template>
            </span>
          </li>
        </ul>
        <p class="text-sm text-soft">
          Gravest first. What was neither measured by a recorded flight nor marked is not judged.
        </p>
      </section>
      <section class="panel space-y-3" aria-label="Why each landed there">
        <h2 class="text-lg font-bold">Why each landed there, from {{ counted }}</h2>
        <div v-for="lap in explained" :key="lap.id" class="grid gap-x-3 sm:grid-cols-[7rem_1fr]">
          <p>
            <span class="font-bold">Lap {{ lap.number }}</span>
            <span class="figure block">{{ signed(lap.diagnosis.error_ft, 5) }} ft</span>
          </p>
          <FeetBar :diagnosis="lap.diagnosis" :reach-ft="reach" short />
        </div>
      </section>
    </template>
    <ProposeSigning
      v-if="laps.length && mayChange && session.data.value?.person"
      :sortie="sortie"
      :person-id="session.data.value.person.id"
    />
    <ExaminedPanel
      v-if="laps.length"
      :sortie-id="id"
      :is-mock-test="sortie.is_mock_test"
      :standard-id="sortie.standard.id"
    />
    <section
      v-if="flights.data.value"
      class="panel flex flex-wrap items-center gap-x-4 gap-y-2 !py-2"
      aria-label="Recorded flight"
    >
      <b>Recorded flight</b>
      <RouterLink
        v-for="one in ofSortie"
        :key="one.id"
        :to="{ name: 'track', params: { track: one.id } }"
        class="button button-main"
      >
        Replay {{ one.begun_at ? `${clock(one.begun_at, '')} to ${clock(one.ended_at!)}` : one.name }}
      </RouterLink>
      <span v-if="!ofSortie.length" class="text-soft">None yet.</span>
      <RouterLink v-if="mayChange" :to="{ name: 'tracks' }" class="button">Bring a file</RouterLink>
      <button
        v-if="mayChange && !ofSortie.length && pieces.data.value?.tracks.length"
        type="button"
        class="button"
        @click="measure"
      >
        Measure from the tablet’s own positions
      </button>
      <span v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</span>
    </section>
  </div>
</template>
