<script setup lang="ts">
/** The card of a landing: steps in order, where to look, the three usual mistakes, when to go around. */
import { say } from '@/said'
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
  ['', say('parts.this-landing')],
  ['normal', say('common.normal')],
  ['crosswind', say('common.crosswind')],
  ['short_field', say('common.short-field')],
  ['soft_field', say('common.soft-field')],
  ['power_off', say('common.power-off-180')],
  ['no_flap', say('common.no-flap')],
  ['forward_slip', say('common.forward-slip')],
  ['three_point', say('common.three-point')],
  ['wheel_landing', say('common.wheel-landing')],
  ['go_around', say('common.go-around')],
  ['low_approach', say('common.low-approach')],
  ['hold_off_drill', say('parts.hold-off-drill-at-altitude')],
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
      <label class="text-sm text-soft" for="other-card">{{ say('parts.card') }}</label>
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
        <p>
          <b>{{ say('parts.look-at') }}</b> {{ card.look }}
        </p>
        <div>
          <b>{{ say('parts.usual-mistakes') }}</b>
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
