<script setup lang="ts">
/** Which sortie a flight was, and which of its laps is which: proposed, put right, confirmed. */
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api } from '@/api/calls'
import { lapsQuery } from '@/api/queries'
import type { Pair, Track } from '@/api/types'
import { clock, round } from '@/words'
import { endedBy } from './lap'
import MakeSortie from './MakeSortie.vue'

const props = defineProps<{ fileId: string; track: Track }>()
const emit = defineEmits<{ confirm: [sortieId: number, pairs: Pair[]] }>()
const sortieId = ref<number | null>(props.track.candidates[0]?.sortie_id ?? null)
const laps = useQuery(computed(() => ({ ...lapsQuery(sortieId.value ?? 0), enabled: sortieId.value !== null })))
const NEW = 'new'
const OUT = 'out'
const choice = ref<Record<number, string>>({})
const problem = ref('')
const ends = computed(() =>
  props.track.laps.map((lap) => ({ lap, event: props.track.events[lap.end]!, index: lap.end })),
)
watch(
  sortieId,
  async (id) => {
    if (id === null) return
    try {
      const { pairs } = await api.proposeMatch(props.fileId, id)
      if (sortieId.value !== id) return
      choice.value = Object.fromEntries(pairs.map((pair) => [pair.event, pair.lap_id ?? NEW]))
      problem.value = ''
    } catch (error) {
      problem.value = error instanceof Error ? error.message : 'Nothing could be proposed.'
    }
  },
  { immediate: true },
)
const noted = computed(() => laps.data.value?.laps ?? [])
const counts = computed(() => {
  const values = Object.values(choice.value)
  const known = values.filter((one) => one !== NEW && one !== OUT)
  return {
    noted: known.length,
    made: values.filter((one) => one === NEW).length,
    twice: new Set(known).size < known.length,
  }
})
function confirm() {
  if (sortieId.value === null) return
  const pairs = Object.entries(choice.value)
    .filter(([, one]) => one !== OUT)
    .map(([event, one]) => ({ event: Number(event), lap_id: one === NEW ? null : one }))
  emit('confirm', sortieId.value, pairs)
}
</script>

<template>
  <section class="panel space-y-3 border-l-8 !border-l-spot" aria-label="Which sortie was it?">
    <h2 class="text-lg font-bold">Which sortie was it?</h2>
    <p v-if="!track.candidates.length">No sortie is planned about that time.</p>
    <MakeSortie :file-id="fileId" :track="track" :is-open="!track.candidates.length" />
    <template v-if="track.candidates.length">
      <div class="grid gap-1.5" role="radiogroup" aria-label="Sortie">
        <label
          v-for="one in track.candidates"
          :key="one.sortie_id"
          class="flex min-h-11 cursor-pointer items-center gap-3 rounded border border-line px-3"
        >
          <input v-model="sortieId" type="radio" name="sortie" :value="one.sortie_id" class="size-5" />
          <span
            ><b>{{ one.words }}</b> <span class="text-soft">({{ one.reason }})</span></span
          >
        </label>
      </div>
      <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
      <div class="overflow-x-auto" tabindex="0">
        <table class="w-full min-w-[36rem] text-left">
          <thead>
            <tr class="border-b border-line text-sm text-soft">
              <th class="py-1">Recorded</th>
              <th>Ended</th>
              <th class="text-right">Touched</th>
              <th class="pl-4">is</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="{ lap, event, index } in ends" :key="index" class="border-b border-line">
              <td class="py-1">Lap {{ lap.number }}, {{ clock(lap.to) }}</td>
              <td>{{ endedBy(event) }}, runway {{ lap.runway }}</td>
              <td class="figure whitespace-nowrap text-right">
                {{ event.kind === 'touchdown' ? `${round(event.along_ft)} ft ± ${round(event.uncertainty_ft)}` : '–' }}
              </td>
              <td class="pl-4">
                <select v-model="choice[index]" class="field" :aria-label="`Recorded lap ${lap.number} is`">
                  <option v-for="one in noted" :key="one.id" :value="one.id">
                    noted lap {{ one.number }}, {{ clock(one.flown_at)
                    }}{{ one.along_ft === null ? '' : `, ${round(one.along_ft)} ft` }}
                  </option>
                  <option :value="NEW">a lap nobody noted</option>
                  <option :value="OUT">left out</option>
                </select>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="counts.twice" role="alert" class="font-bold text-fail-ink">
        One noted lap stands twice: each can be one recorded lap only.
      </p>
      <div class="flex flex-wrap items-center gap-3">
        <button
          type="button"
          class="button button-main"
          :disabled="counts.twice || !(counts.noted + counts.made)"
          @click="confirm"
        >
          Take these laps
        </button>
        <p class="text-soft">
          {{ counts.noted }} noted lap{{ counts.noted === 1 ? '' : 's' }} measured, {{ counts.made }} made new. What was
          tapped stays beside what was measured; the better known of the two scores.
        </p>
      </div>
    </template>
  </section>
</template>
