<script setup lang="ts">
/** What to change, and the pages of the faults that were seen in these laps, the most frequent first. */
import { say } from '@/said'
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { api } from '@/api/calls'
import type { Lap, Summary } from '@/api/types'
import { fromSpotFt } from '@/debrief/lap'

const props = defineProps<{ laps: readonly Lap[]; summary: Summary }>()
const faults = useQuery({ queryKey: ['faults'], queryFn: () => api.faults(null, null), retry: false })
function seenIn(lap: Lap): string[] {
  const place = fromSpotFt(lap)
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
  for (const lap of props.laps) for (const mark of seenIn(lap)) counts.set(mark, (counts.get(mark) ?? 0) + 1)
  return (faults.data.value?.faults ?? [])
    .map((one) => ({ ...one, number: one.marks.reduce((sum, mark) => sum + (counts.get(mark) ?? 0), 0) }))
    .filter((one) => one.number)
    .sort((a, b) => b.number - a.number)
    .slice(0, 3)
})
</script>

<template>
  <section class="panel border-l-8 !border-l-aim" :aria-label="say('debrief.the-one-change')">
    <p class="heading">{{ say('debrief.the-one-change') }}</p>
    <p class="text-2xl font-bold leading-snug">{{ summary.one_change }}</p>
    <p v-if="summary.luck_words" class="mt-1">{{ summary.luck_words }}</p>
    <p v-if="toRead.length" class="mt-1">
      {{ say('debrief.faults-and-remedies') }}
      <RouterLink
        v-for="one in toRead"
        :key="one.code"
        :to="`/faults#${one.code}`"
        class="mr-3 inline-flex min-h-11 items-center font-bold underline"
        >{{ one.name }} ({{ one.number }})</RouterLink
      >
    </p>
  </section>
</template>
