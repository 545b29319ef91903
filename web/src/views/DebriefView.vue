<script setup lang="ts">
/** The laps of the sortie together: where they lie, how far they spread, why, and the one change. */
import { say } from '@/said'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { briefQuery, lapsQuery, planQuery, sessionQuery, sortieQuery } from '@/api/queries'
import FeetBar from '@/components/FeetBar.vue'
import Figure from '@/components/Figure.vue'
import Loading from '@/components/Loading.vue'
import WaitingLaps from '@/components/WaitingLaps.vue'
import LapsTable from '@/debrief/LapsTable.vue'
import OneChange from '@/debrief/OneChange.vue'
import RecordedFlight from '@/debrief/RecordedFlight.vue'
import RestOfLap from '@/debrief/RestOfLap.vue'
import ExaminedPanel from '@/record/ExaminedPanel.vue'
import ProposeSigning from '@/record/ProposeSigning.vue'
import { useWidth } from '@/composables/useWidth'
import { useNextLap } from '@/composables/useNextLap'
import { shownLaps } from '@/offline/shown'
import { useSync } from '@/offline/sync'
import { windowAround, marksOf, type Marks } from '@/strip/places'
import Strip, { type Touch } from '@/strip/Strip.vue'
import { LANDING_LABEL, round, signed, windWords } from '@/words'

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
  () => laps.value.find((one) => one.diagnosis.error_ft !== null)?.diagnosis.counted_from ?? say('debrief.the-target'),
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
/** Of a long day the latest laps stand open; the others unfold. */
const OPEN = 12
const showsAll = ref(false)
const shown = computed(() => (showsAll.value ? laps.value : laps.value.slice(-OPEN)))
const explained = computed(() => shown.value.filter((one) => one.diagnosis.error_ft !== null))
</script>
<template>
  <Loading
    v-if="!sortie || !brief || !summary"
    :error="sortieState.error.value ?? briefState.error.value ?? lapsState.error.value"
    :retry="() => [sortieState.refetch(), briefState.refetch(), lapsState.refetch()]"
  />
  <div v-else class="space-y-3">
    <div class="flex flex-wrap items-baseline gap-x-3">
      <h1 class="text-2xl font-bold">{{ say('debrief.debrief', { name: sortie.student.name }) }}</h1>
      <p class="text-soft">
        {{ LANDING_LABEL[sortie.landing] }} · {{ sortie.airfield }} {{ sortie.runway.ident }} ·
        {{ sortie.aircraft.name }} · {{ windWords(sortie) }} · {{ sortie.standard.name }}
      </p>
    </div>
    <p v-if="unreadable" class="panel" role="alert">
      {{ say('debrief.kept-but-cannot-be-read', { unreadable }) }}
    </p>
    <WaitingLaps v-if="waiting.length" :laps="waiting" />
    <p v-if="!laps.length && !waiting.length" class="panel">
      {{ say('debrief.no-lap-flown-yet') }}
      <RouterLink :to="{ name: 'laps', params: { id } }" class="font-bold underline">{{
        say('debrief.record-the-first')
      }}</RouterLink>
    </p>
    <template v-if="laps.length">
      <OneChange :laps="laps" :summary="summary" />
      <div class="grid grid-cols-2 gap-2 md:grid-cols-4">
        <Figure
          :label="say('common.in-the-box')"
          :value="say('debrief.of', { hits: summary.hits, measured: summary.measured })"
          :note="
            summary.landings - summary.measured
              ? say('debrief.touchdown-not-marked', { measured: summary.landings - summary.measured })
              : say('debrief.landings-marked')
          "
        />
        <Figure
          :label="say('debrief.mean-from-the-target')"
          :value="signed(summary.mean_error_ft, 5)"
          :unit="summary.mean_error_ft === null ? '' : 'ft'"
          note="long or short on average"
        />
        <Figure
          :label="say('debrief.spread')"
          :value="summary.spread_ft === null ? '–' : `±${round(summary.spread_ft, 5)}`"
          :unit="summary.spread_ft === null ? '' : 'ft'"
          note="how alike the laps are"
        />
        <Figure :label="say('debrief.go-arounds')" :value="String(summary.go_arounds)" note="always a good answer" />
      </div>
      <section class="panel !p-2" :aria-label="say('debrief.all-laps-on-the-strip')">
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
          {{ say('debrief.white-diamonds-are-in-the') }}
          <span v-if="moved">{{ say('debrief.laps-flown-to-another-spot') }}</span>
        </p>
      </section>
      <LapsTable
        v-model="showsAll"
        :shown="shown"
        :all="laps.length"
        :open="OPEN"
        :sortie-id="id"
        :standard="sortie.standard.name"
        :may-change="mayChange"
      />
      <RestOfLap :laps="laps" :shown="shown" :sortie-id="id" />
      <section class="panel space-y-3" :aria-label="say('debrief.why-each-landed-there')">
        <h2 class="text-lg font-bold">{{ say('debrief.why-each-landed-there-from', { counted }) }}</h2>
        <div v-for="lap in explained" :key="lap.id" class="grid gap-x-3 sm:grid-cols-[7rem_1fr]">
          <p>
            <span class="font-bold">{{ say('common.lap-number', { number: lap.number }) }}</span>
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
    <RecordedFlight :sortie-id="id" :may-change="mayChange" />
  </div>
</template>
