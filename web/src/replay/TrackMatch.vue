<script setup lang="ts">
/** Which sortie a flight was, and which of its laps is which: proposed, put right, confirmed. */
import { say } from '@/said'
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
      problem.value = error instanceof Error ? error.message : say('replay.nothing-could-be-proposed')
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
  <section class="panel space-y-3 border-l-8 !border-l-spot" :aria-label="say('replay.which-sortie-was-it')">
    <h2 class="text-lg font-bold">{{ say('replay.which-sortie-was-it') }}</h2>
    <p v-if="!track.candidates.length">{{ say('replay.no-sortie-is-planned-about') }}</p>
    <MakeSortie :file-id="fileId" :track="track" :is-open="!track.candidates.length" />
    <template v-if="track.candidates.length">
      <div class="grid gap-1.5" role="radiogroup" :aria-label="say('replay.sortie')">
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
              <th class="py-1">{{ say('replay.recorded') }}</th>
              <th>{{ say('common.ended') }}</th>
              <th class="text-right">{{ say('common.touched') }}</th>
              <th class="pl-4">{{ say('replay.is') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="{ lap, event, index } in ends" :key="index" class="border-b border-line">
              <td class="py-1">{{ say('replay.lap-and-end', { number: lap.number, to: clock(lap.to) }) }}</td>
              <td>{{ say('replay.runway', { event: endedBy(event), runway: lap.runway }) }}</td>
              <td class="figure whitespace-nowrap text-right">
                {{
                  event.kind === 'touchdown'
                    ? say('replay.touched-within', {
                        along_ft: round(event.along_ft),
                        uncertainty_ft: round(event.uncertainty_ft),
                      })
                    : '–'
                }}
              </td>
              <td class="pl-4">
                <select
                  v-model="choice[index]"
                  class="field"
                  :aria-label="say('replay.recorded-lap-is', { number: lap.number })"
                >
                  <option v-for="one in noted" :key="one.id" :value="one.id">
                    {{
                      say('replay.noted-lap', {
                        number: one.number,
                        flown_at: clock(one.flown_at),
                        along_ft:
                          one.along_ft === null ? '' : say('replay.noted-touched', { along_ft: round(one.along_ft) }),
                      })
                    }}
                  </option>
                  <option :value="NEW">{{ say('replay.a-lap-nobody-noted') }}</option>
                  <option :value="OUT">{{ say('replay.left-out') }}</option>
                </select>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="counts.twice" role="alert" class="font-bold text-fail-ink">
        {{ say('replay.one-noted-lap-stands-twice') }}
      </p>
      <div class="flex flex-wrap items-center gap-3">
        <button
          type="button"
          class="button button-main"
          :disabled="counts.twice || !(counts.noted + counts.made)"
          @click="confirm"
        >
          {{ say('replay.take-these-laps') }}
        </button>
        <p class="text-soft">
          {{
            say('replay.noted-lap-measured-made-new', {
              noted: counts.noted,
              made: counts.made,
            })
          }}
        </p>
      </div>
    </template>
  </section>
</template>
