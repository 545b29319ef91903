<script setup lang="ts">
/** Each fault of the rest of the laps once, gravest first, with the laps that had it and the words of the worst. */
import { say } from '@/said'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import type { Lap } from '@/api/types'

const props = defineProps<{ laps: readonly Lap[]; shown: readonly Lap[]; sortieId: number }>()
const restFaults = computed(() => {
  const found = new Map<string, { name: string; words: string; laps: Lap[]; size: number; worst: number | null }>()
  const order: string[] = []
  for (const lap of props.laps) {
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
const decided = computed(() => props.shown.some((one) => one.around.points !== null))
</script>

<template>
  <section v-if="restFaults.length || decided" class="panel space-y-2" aria-labelledby="rest">
    <h2 id="rest" class="text-lg font-bold">{{ say('common.the-rest-of-the-lap') }}</h2>
    <p v-if="!restFaults.length">{{ say('debrief.nothing-that-was-measured-or') }}</p>
    <ul class="divide-y divide-line">
      <li v-for="fault in restFaults" :key="fault.name" class="grid gap-x-3 py-1 sm:grid-cols-[1fr_16rem]">
        <span><b class="text-fail-ink">✕</b> {{ fault.words }}</span>
        <span class="text-sm text-soft">
          {{ say('debrief.in-laps', { count: fault.laps.length }) }}
          <template v-for="(lap, k) in fault.laps" :key="lap.id"
            ><template v-if="k">, </template
            ><RouterLink :to="{ name: 'laps', params: { id: sortieId }, query: { lap: lap.id } }" class="underline">{{
              lap.number
            }}</RouterLink></template
          ><template v-if="fault.laps.length > 1 && fault.worst !== null">{{
            say('debrief.worst-on', { worst: fault.worst })
          }}</template>
        </span>
      </li>
    </ul>
    <p class="text-sm text-soft">
      {{ say('debrief.gravest-first-what-was-neither') }}
    </p>
  </section>
</template>
