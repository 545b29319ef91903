<script setup lang="ts">
/** Recorded flights: dropped here, one or many, and found again; the work goes on when the page is left. */
import { say } from '@/said'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { api } from '@/api/calls'
import { sessionQuery, tracksQuery } from '@/api/queries'
import type { TrackLine } from '@/api/types'
import Loading from '@/components/Loading.vue'
import { useWrite } from '@/composables/useWrite'
import { newId } from '@/offline/ids'
import { clock, day, round } from '@/words'

const client = useQueryClient()
const session = useQuery(sessionQuery)
const mayChange = computed(() => session.data.value?.person?.role !== 'student')
const isBusy = (line: TrackLine) => line.state === 'waiting' || line.state === 'working'
const tracks = useQuery({
  ...tracksQuery,
  refetchInterval: (query) => (query.state.data?.tracks.some(isBusy) ? 600 : false),
})
const lines = computed(() => tracks.data.value?.tracks ?? [])

interface Sending {
  id: string
  name: string
  problem: string
}
const MOST_BYTES = 50_000_000
const sending = reactive<Sending[]>([])
const input = ref<HTMLInputElement | null>(null)
const isOver = ref(false)
async function take(files: Iterable<File>) {
  for (const file of [...files]) {
    const one = reactive<Sending>({ id: newId(), name: file.name, problem: '' })
    sending.push(one)
    try {
      if (file.size > MOST_BYTES) throw new Error(say('tracks.the-file-is-larger-than'))
      await api.sendTrackFile(one.id, file)
      sending.splice(sending.indexOf(one), 1)
    } catch (error) {
      one.problem = error instanceof Error ? error.message : say('tracks.it-could-not-be-sent')
    }
    await client.invalidateQueries({ queryKey: tracksQuery.queryKey })
  }
  if (input.value) input.value.value = '' // so that the same file can be chosen again
}
function drop(event: DragEvent) {
  isOver.value = false
  void take(event.dataTransfer?.files ?? [])
}
const { write, problem } = useWrite({ refresh: () => client.invalidateQueries({ queryKey: tracksQuery.queryKey }) })
async function remove(line: TrackLine) {
  await write({
    call: () => api.removeTrackFile(line.id),
    undo: { what: say('tracks.removing', { name: line.name }), back: () => api.restoreTrackFile(line.id) },
  })
}
const again = (line: TrackLine) => write({ call: () => api.analyseTrack(line.id, line.aircraft_id) })
const STATE: Record<TrackLine['state'], string> = {
  waiting: say('tracks.waiting-for-its-turn'),
  working: 'working',
  done: '',
  refused: say('tracks.not-taken'),
  columns: say('tracks.needs-its-columns-named'),
}
const lapsWords = (line: TrackLine) =>
  line.laps === 0 ? say('tracks.no-laps-found') : say('common.laps-counted', { laps: line.laps })
</script>

<template>
  <Loading v-if="!tracks.data.value" :error="tracks.error.value" :retry="tracks.refetch" />
  <div v-else class="space-y-3">
    <h1 class="text-2xl font-bold">{{ say('tracks.recorded-flights') }}</h1>
    <section
      v-if="mayChange"
      class="panel border-2 !border-dashed py-6 text-center"
      :class="isOver ? '!border-aim bg-paper' : ''"
      :aria-label="say('tracks.drop-files-here')"
      @dragover.prevent="isOver = true"
      @dragleave="isOver = false"
      @drop.prevent="drop"
    >
      <p class="text-xl font-bold">{{ say('tracks.drop-the-files-your-tablet') }}</p>
      <p class="text-soft">
        {{ say('tracks.gpx-igc-nmea-or-csv') }}
      </p>
      <label class="button button-main mt-3 cursor-pointer">
        {{ say('tracks.choose-files') }}
        <input
          ref="input"
          type="file"
          multiple
          class="sr-only"
          :aria-label="say('tracks.choose-files')"
          @change="take(($event.target as HTMLInputElement).files ?? [])"
        />
      </label>
    </section>
    <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
    <ul v-if="sending.length" class="panel space-y-1" :aria-label="say('tracks.being-sent')">
      <li v-for="one in sending" :key="one.id" class="flex flex-wrap items-center gap-x-3">
        <b class="min-w-0 break-all">{{ one.name }}</b>
        <span v-if="one.problem" role="alert" class="font-bold text-fail-ink">{{
          say('common.not-taken', { problem: one.problem })
        }}</span>
        <span v-else class="text-soft">{{ say('tracks.sending') }}</span>
        <span class="flex-1" />
        <button v-if="one.problem" type="button" class="button" @click="sending.splice(sending.indexOf(one), 1)">
          {{ say('tracks.dismiss') }}
        </button>
      </li>
    </ul>
    <p v-if="!lines.length" class="panel">{{ say('tracks.no-recorded-flight-yet') }}</p>
    <ul v-else class="space-y-2" :aria-label="say('tracks.flights')">
      <li v-for="line in lines" :key="line.id" class="panel flex flex-wrap items-center gap-x-4 gap-y-1">
        <div class="min-w-0 flex-1 basis-72">
          <p class="text-lg font-bold">
            <RouterLink
              v-if="line.state === 'done' || line.state === 'columns'"
              :to="{ name: 'track', params: { track: line.id } }"
              class="underline"
            >
              {{
                line.begun_at
                  ? say('common.to', {
                      begun_at: day(line.begun_at.slice(0, 10)),
                      begun_at_2: clock(line.begun_at, ''),
                      ended_at: clock(line.ended_at!),
                    })
                  : line.name
              }}
            </RouterLink>
            <template v-else>{{ line.name }}</template>
          </p>
          <p class="break-all text-sm text-soft">
            {{ line.begun_at ? `${line.name} · ` : '' }}{{ line.format?.toUpperCase()
            }}<template v-if="line.fixes"> {{ ' ' + say('tracks.fixes', { fixes: round(line.fixes) }) }}</template>
          </p>
        </div>
        <p v-if="isBusy(line)" role="status" class="font-bold text-aim-ink">
          {{ line.progress || STATE[line.state] }}…
        </p>
        <p v-else-if="line.state === 'done'" class="figure text-lg">{{ lapsWords(line) }}</p>
        <p v-else role="alert" class="max-w-xl font-bold text-fail-ink">
          {{ line.state === 'refused' ? say('common.not-taken', { problem: line.problem }) : STATE[line.state] }}
        </p>
        <p v-if="line.state === 'done'" :class="line.sortie_words ? '' : 'font-bold text-spot-ink'" class="basis-56">
          {{ line.sortie_words ?? say('tracks.which-sortie-was-it') }}
        </p>
        <button
          v-if="mayChange && line.state === 'refused' && line.is_kept"
          type="button"
          class="button"
          @click="again(line)"
        >
          {{ say('common.try-again') }}
        </button>
        <button
          v-if="mayChange && !isBusy(line) && line.sortie_id === null"
          type="button"
          class="button"
          :aria-label="say('tracks.remove', { name: line.name })"
          @click="remove(line)"
        >
          {{ say('common.remove') }}
        </button>
      </li>
    </ul>
  </div>
</template>
