<script setup lang="ts">
/** Which faults were noted, month by month, the most frequent first. */
import { say } from '@/said'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { MARK_LABEL, type Mark } from '@/marks'
import { MARK_WORDS } from '@/record/words'

const props = defineProps<{ marks: readonly { month: string; mark: string; number: number }[] }>()
const months = computed(() => {
  const found = new Map<string, { mark: string; number: number }[]>()
  for (const { month, mark, number } of props.marks) {
    found.set(month, [...(found.get(month) ?? []), { mark, number }])
  }
  return [...found].map(([month, rows]) => ({ month, rows: rows.sort((a, b) => b.number - a.number) }))
})
const markWords = (mark: string) => MARK_WORDS[mark] ?? MARK_LABEL[mark as Mark] ?? mark
</script>

<template>
  <section class="panel" aria-labelledby="marks">
    <h2 id="marks" class="text-lg font-bold">{{ say('record.what-was-noted-by-month') }}</h2>
    <p v-if="!months.length" class="text-soft">{{ say('record.no-fault-noted') }}</p>
    <div v-for="{ month, rows } in months" :key="month" class="mt-1">
      <span class="heading">{{ month }}</span>
      <p class="flex flex-wrap gap-x-3">
        <span v-for="row in rows" :key="row.mark">
          {{ markWords(row.mark) }} <span class="figure">{{ row.number }}</span>
        </span>
      </p>
    </div>
    <RouterLink to="/faults" class="underline">{{ say('common.faults-and-remedies') }}</RouterLink>
  </section>
</template>
