<script setup lang="ts">
/** One recorded flight: which sortie it was, its laps drawn again, what was measured, and the way out. */
import { say } from '@/said'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { api } from '@/api/calls'
import {
  catalogueQuery,
  forgetSortie,
  lapsQuery,
  planQuery,
  sessionQuery,
  sortieQuery,
  trackQuery,
} from '@/api/queries'
import type { CsvColumns, Lap, Pair, TrackLap } from '@/api/types'
import AroundTable from '@/components/AroundTable.vue'
import FeetBar from '@/components/FeetBar.vue'
import Loading from '@/components/Loading.vue'
import ScoreTable from '@/components/ScoreTable.vue'
import LapFigures from '@/replay/LapFigures.vue'
import Readings from '@/replay/Readings.vue'
import Replay from '@/replay/Replay.vue'
import TrackColumns from '@/replay/TrackColumns.vue'
import TrackMatch from '@/replay/TrackMatch.vue'
import { useWrite } from '@/composables/useWrite'
import { clock, day, direction, round } from '@/words'

const id = String(useRoute().params.track)
const client = useQueryClient()
const session = useQuery(sessionQuery)
const mayChange = computed(() => session.data.value?.person?.role !== 'student')
const found = useQuery({
  ...trackQuery(id),
  refetchInterval: (query) => (['waiting', 'working'].includes(query.state.data?.track.state ?? '') ? 600 : false),
})
const track = computed(() => found.data.value)
const line = computed(() => track.value?.track)
const sortieId = computed(() => line.value?.sortie_id ?? null)
const known = computed(() => sortieId.value !== null)
const sortieState = useQuery(computed(() => ({ ...sortieQuery(sortieId.value ?? 0), enabled: known.value })))
const lapsState = useQuery(computed(() => ({ ...lapsQuery(sortieId.value ?? 0), enabled: known.value })))
const planState = useQuery(computed(() => ({ ...planQuery(sortieId.value ?? 0), enabled: known.value })))
const catalogue = useQuery(catalogueQuery)
const scored = computed(() => (known.value ? (lapsState.data.value?.laps ?? []) : []))
const current = ref<TrackLap | null>(null)
const currentEvent = computed(() => (current.value ? (track.value?.events[current.value.end] ?? null) : null))
const currentScored = computed(
  () => scored.value.find((lap) => lap.track_file_id === id && lap.track_event === current.value?.end) ?? null,
)
const pattern = computed(() => {
  // the plan is drawn for the sortie's runway; a lap on another one has none
  const sortie = sortieState.data.value
  return known.value && sortie && current.value?.runway === sortie.runway.ident
    ? (planState.data.value?.plan.pattern ?? null)
    : null
})
watch(
  () => line.value?.state,
  (now, before) => before && now === 'done' && client.invalidateQueries({ queryKey: ['track', id] }),
)

const showColumns = ref(false)
async function refresh(of: number | null = sortieId.value) {
  await client.invalidateQueries({ queryKey: ['track', id], exact: true })
  await client.invalidateQueries({ queryKey: ['tracks'] })
  if (of !== null) await forgetSortie(client, of)
}
const { write, problem, isBusy: isChanging } = useWrite({ refresh, otherwise: say('track.it-could-not-be-kept') })
async function confirmMatch(sortie_id: number, pairs: Pair[]) {
  await write({
    call: () => api.confirmMatch(id, { sortie_id, pairs }),
    undo: { what: say('track.taking-the-laps'), back: () => api.takeMatchBack(id) },
    refresh: () => refresh(sortie_id),
  })
}
/** Whether a person told anything of a lap: then it stays when the track lets go of it. */
const hasMoreThanTheTrack = (lap: Lap) =>
  !!lap.note ||
  lap.marks.length > 0 ||
  Object.values(lap.readings).some((of) => Object.keys(of).some((how) => how !== 'tracked'))
async function takeBack() {
  const of = sortieId.value
  if (of === null || !track.value) return
  const pairs: Pair[] = scored.value
    .filter((lap) => lap.track_file_id === id && lap.track_event !== null)
    .map((lap) => ({ event: lap.track_event!, lap_id: hasMoreThanTheTrack(lap) ? lap.id : null }))
  await write({
    call: () => api.takeMatchBack(id),
    undo: { what: say('track.taking-the-laps-back'), back: () => api.confirmMatch(id, { sortie_id: of, pairs }) },
    refresh: () => refresh(of),
  })
}
async function correct(lap: Lap, value: number | null) {
  const of = sortieId.value!
  const before = (lap.readings.along_ft as Record<string, { value: number }> | undefined)?.corrected?.value ?? null
  const done = await write({
    call: () => api.correctReading(of, lap.id, 'along_ft', value, lap.along_ft),
    undo: { what: say('track.the-touchdown'), back: () => api.correctReading(of, lap.id, 'along_ft', before, value) },
    refresh: () => refresh(of),
  })
  if (!done) await refresh(of) // somebody else may have corrected it: show how it stands
}
async function readSo(columns: CsvColumns) {
  if (await write({ call: () => api.correctColumns(id, columns) })) showColumns.value = false
}
async function analyseBy(aircraft: string) {
  await write({ call: () => api.analyseTrack(id, aircraft ? Number(aircraft) : null) })
}
const FORMS = [
  { form: 'gpx', label: say('track.cleaned-track-gpx') },
  { form: 'csv', label: say('track.events-csv') },
  { form: 'geojson', label: say('track.events-geojson') },
] as const
</script>

<template>
  <Loading v-if="!track || !line" :error="found.error.value" :retry="found.refetch" />
  <div v-else class="space-y-3">
    <div class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
      <RouterLink :to="{ name: 'tracks' }" class="min-h-11 content-center underline">{{
        say('track.recorded-flights')
      }}</RouterLink>
      <h1 class="text-2xl font-bold">
        {{
          line.begun_at
            ? say('common.to', {
                begun_at: day(line.begun_at.slice(0, 10)),
                begun_at_2: clock(line.begun_at, ''),
                ended_at: clock(line.ended_at!),
              })
            : line.name
        }}
      </h1>
      <p v-if="line.sortie_words" class="text-soft">{{ line.sortie_words }}</p>
      <span class="flex-1" />
      <RouterLink v-if="known" :to="{ name: 'debrief', params: { id: sortieId! } }" class="button">{{
        say('common.debrief')
      }}</RouterLink>
      <button v-if="known && mayChange" type="button" class="button" :disabled="isChanging" @click="takeBack">
        {{ say('track.take-its-laps-back') }}
      </button>
    </div>
    <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
    <p
      v-if="line.state === 'waiting' || line.state === 'working'"
      role="status"
      class="panel text-lg font-bold text-aim-ink"
    >
      {{ line.progress || say('track.working') }}…
    </p>
    <p v-else-if="line.state === 'refused'" role="alert" class="panel font-bold text-fail-ink">
      {{ say('common.not-taken', { problem: line.problem }) }}
    </p>
    <p v-else-if="line.state === 'columns'" class="panel font-bold">
      {{ say('track.the-headings-of-this-file') }}
      <template v-if="line.problem?.startsWith('so ')">{{
        say('track.told-by-hand', { problem: line.problem })
      }}</template>
    </p>
    <TrackColumns
      v-if="mayChange && !known && (line.state === 'columns' || showColumns)"
      :file-id="id"
      @read="readSo"
    />
    <template v-if="line.state === 'done'">
      <TrackMatch
        v-if="!known && mayChange && track.laps.length"
        :file-id="id"
        :track="track"
        @confirm="confirmMatch"
      />
      <ul v-if="line.warnings.length" class="panel" :aria-label="say('track.notes')">
        <li v-for="text in line.warnings" :key="text"><span aria-hidden="true">▲ </span>{{ text }}</li>
      </ul>
      <p v-if="!track.laps.length" class="panel">
        {{ say('track.no-lap-was-found-on') }}
        <RouterLink :to="{ name: 'fields' }" class="underline">{{ say('common.fields') }}</RouterLink>
        {{ say('track.and-analyse-again') }}
      </p>
      <template v-else>
        <Replay
          :file-id="id"
          :track="track"
          :scored="scored"
          :pattern="pattern"
          :path-angle="sortieState.data.value?.runway.path_angle_deg ?? null"
          :movable="mayChange && known && !isChanging"
          @shown="current = $event"
          @correct="correct"
        />
        <Readings
          v-if="currentScored && current"
          :lap="currentScored"
          :may-change="mayChange && !isChanging"
          @correct="correct(currentScored, $event)"
        />
        <div v-if="currentScored && currentScored.diagnosis.error_ft !== null" class="grid gap-3 lg:grid-cols-2">
          <section class="panel" :aria-label="say('track.why-it-landed-there')">
            <p class="text-lg font-bold">{{ currentScored.score.words }} {{ currentScored.diagnosis.one_change }}</p>
            <FeetBar :diagnosis="currentScored.diagnosis" />
          </section>
          <section class="panel" :aria-label="say('common.score')"><ScoreTable :score="currentScored.score" /></section>
        </div>
        <section
          v-if="currentScored?.around.judged.length"
          class="panel"
          :aria-label="say('common.the-rest-of-the-lap')"
        >
          <ul v-if="currentScored.around.faults.length" class="mb-2">
            <li v-for="fault in currentScored.around.faults" :key="fault.name">
              <b class="text-fail-ink">✕</b> {{ fault.words }}
            </li>
          </ul>
          <AroundTable :around="currentScored.around" />
        </section>
        <LapFigures
          v-if="current && currentEvent"
          :lap="current"
          :event="currentEvent"
          :takeoff="current.takeoff === null ? null : (track.events[current.takeoff] ?? null)"
        />
      </template>
      <section class="panel flex flex-wrap items-center gap-x-6 gap-y-2" :aria-label="say('track.the-file')">
        <p v-for="wind in track.wind.slice(0, 1)" :key="wind.source">
          {{ say('track.wind-by-the', { source: wind.source }) }}
          <b class="figure">{{
            say('track.true-kt', {
              from_deg_true: direction(wind.from_deg_true),
              speed_kt: round(wind.speed_kt),
              uncertainty_kt: round(wind.uncertainty_kt),
            })
          }}</b>
        </p>
        <span class="flex-1" />
        <a
          v-for="one in FORMS"
          :key="one.form"
          class="button"
          :href="`/api/tracks/${id}/export.${one.form}`"
          download
          >{{ one.label }}</a
        >
        <a class="button" :href="`/api/tracks/${id}/file`" download>{{ say('track.file-as-it-came') }}</a>
        <button
          v-if="line.format === 'csv' && mayChange && !known"
          type="button"
          class="button"
          @click="showColumns = !showColumns"
        >
          {{ say('track.columns') }}
        </button>
        <template v-if="mayChange && !known">
          <button
            type="button"
            class="button"
            :disabled="isChanging"
            @click="analyseBy(String(line.aircraft_id ?? ''))"
          >
            {{ say('track.analyse-again') }}
          </button>
          <label class="flex items-center gap-2">
            <span>{{ say('track.as') }}</span>
            <select
              class="field !w-auto"
              :value="line.aircraft_id ?? ''"
              @change="analyseBy(($event.target as HTMLSelectElement).value)"
            >
              <option value="">{{ say('track.any-aircraft') }}</option>
              <option v-for="one in catalogue.data.value?.aircraft ?? []" :key="one.id" :value="one.id">
                {{ one.spec.name }}
              </option>
            </select>
          </label>
        </template>
      </section>
    </template>
  </div>
</template>
