<script setup lang="ts">
/** The card of a landing: steps in order, where to look, the three usual mistakes, when to go around. */
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api } from '@/api/calls'
import type { Brief } from '@/api/types'

const props = defineProps<{ own: Brief['card']; crosswind: Brief['wind']['crosswind']; sortieId: number }>()
const asked = ref('')
/** The cards of the other landings and exercises are fetched when somebody wants one. */
const others = useQuery({
  queryKey: ['cards', props.sortieId],
  queryFn: () => api.cards(props.sortieId),
  enabled: computed(() => asked.value !== ''),
})
const card = computed(() => others.data.value?.cards.find((one) => one.kind === asked.value) ?? props.own)
const OTHERS = [
  ['', 'This landing'],
  ['normal', 'Normal'],
  ['crosswind', 'Crosswind'],
  ['short_field', 'Short-field'],
  ['soft_field', 'Soft-field'],
  ['power_off', 'Power-off 180'],
  ['no_flap', 'No flap'],
  ['forward_slip', 'Forward slip'],
  ['three_point', 'Three-point'],
  ['wheel_landing', 'Wheel landing'],
  ['go_around', 'Go-around'],
  ['low_approach', 'Low approach'],
  ['hold_off_drill', 'Hold-off drill at altitude'],
] as const
/** Once fetched, only the cards that this aircraft has. */
const shown = computed(() => {
  const known = others.data.value?.cards
  return known ? OTHERS.filter(([kind]) => kind === '' || known.some((one) => one.kind === kind)) : OTHERS
})
</script>

<template>
  <section class="panel" aria-labelledby="card">
    <div class="flex flex-wrap items-center gap-2">
      <h2 id="card" class="min-w-0 flex-1 text-lg font-bold">{{ card.title }}</h2>
      <label class="text-sm text-soft" for="other-card">Card</label>
      <select id="other-card" v-model="asked" class="field !w-auto">
        <option v-for="[kind, label] in shown" :key="kind" :value="kind">{{ label }}</option>
      </select>
    </div>
    <p class="text-soft">{{ card.different }}</p>
    <p v-if="crosswind" class="mt-2 border-l-4 border-aim pl-2 font-bold">{{ crosswind.words }}</p>
    <div class="mt-2 grid gap-x-6 gap-y-2 md:grid-cols-2">
      <ol class="list-decimal space-y-1 pl-6">
        <li v-for="step in card.steps" :key="step">{{ step }}</li>
      </ol>
      <div class="space-y-2">
        <p><b>Look at:</b> {{ card.look }}</p>
        <div>
          <b>Usual mistakes</b>
          <ul class="list-disc pl-6">
            <li v-for="mistake in card.mistakes" :key="mistake">{{ mistake }}</li>
          </ul>
        </div>
        <p class="border-l-4 border-warn bg-warn-wash px-2 py-1 font-bold">
          <span aria-hidden="true">▲ </span>{{ card.go_around }}
        </p>
      </div>
    </div>
  </section>
</template>
