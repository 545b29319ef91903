<script setup lang="ts">
/** One kind of landing of a student: how sure it is, the small strip, mean apart from scatter, habits. */
import { computed } from 'vue'
import type { KindProgress } from '@/api/types'
import { LANDING_LABEL, day, percent, round, signed } from '@/words'
import KindStrip from './KindStrip.vue'
import { READY_LABEL } from './words'

const props = defineProps<{ kind: KindProgress; needed: number }>()
const known = computed(() => props.kind.readiness)
type Spread = KindProgress['touchdown']
const between = (one: Spread, unit: string, step: number) =>
  one.mean_low === null || one.mean_high === null
    ? ''
    : `95 of 100: ${figure(one.mean_low, step)} to ${figure(one.mean_high, step)} ${unit}`
const trend = (one: Spread, unit: string) => {
  if (one.trend === null || one.trend_low === null || one.trend_high === null) return 'trend: too few landings'
  if (one.trend_low < 0 && one.trend_high > 0) return 'no trend that is more than chance'
  return `${one.trend > 0 ? '+' : '−'}${Math.abs(one.trend).toFixed(unit === 'ft' ? 1 : 2)} ${unit} from one landing to the next`
}
const rows = computed(() => [
  { name: 'From the spot', one: props.kind.touchdown, unit: 'ft', step: 1 },
  { name: 'Speed, from the briefed', one: props.kind.speed, unit: 'kt', step: 0.1 },
  { name: 'Float, over the model', one: props.kind.float_over_s, unit: 's', step: 0.1 },
])
const figure = (value: number, step: number) =>
  step < 1 ? `${value > 0 ? '+' : ''}${value.toFixed(1)}`.replace('-', '−') : signed(value)
</script>

<template>
  <article class="panel space-y-2" :aria-label="LANDING_LABEL[kind.landing]">
    <header class="flex flex-wrap items-baseline gap-x-3">
      <h3 class="text-lg font-bold">{{ LANDING_LABEL[kind.landing] }}</h3>
      <span class="font-bold" :class="known.state === 'at_standard' ? 'text-pass-ink' : ''">
        {{ READY_LABEL[known.state] }}
      </span>
      <span class="flex-1" />
      <span class="text-sm text-soft">last {{ day(kind.last_on) }}</span>
    </header>
    <p v-if="known.chance !== null" class="flex flex-wrap items-baseline gap-x-4">
      <span>
        <span class="figure text-3xl">{{ percent(known.chance) }}</span>
        <span class="text-sm text-soft"> of landings meet it; {{ percent(needed) }} are asked for</span>
      </span>
      <span class="text-sm text-soft">
        {{ percent(known.chance_low ?? 0) }} to {{ percent(known.chance_high ?? 1) }}; three in a row
        {{ percent(known.chance_of_three ?? 0) }}
      </span>
    </p>
    <p>{{ known.words }}</p>
    <p v-for="line in known.not_known" :key="line" class="text-sm"><b>?</b> {{ line }}</p>
    <KindStrip v-if="kind.latest.some((one) => one.from_spot_ft !== null)" :kind="kind" />
    <p v-for="line in kind.words" :key="line">{{ line }}</p>
    <p v-if="kind.change">{{ kind.change }}</p>
    <div class="overflow-x-auto" tabindex="0">
      <table class="w-full text-left text-sm">
        <thead>
          <tr class="border-b border-line text-soft">
            <th class="py-1">{{ kind.readiness.judged }} judged of {{ kind.landings }}</th>
            <th class="pl-3 text-right">Mean</th>
            <th class="pl-3 text-right">Scatter</th>
            <th class="pl-3">How sure, and trend</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="{ name, one, unit, step } in rows" :key="name" class="border-b border-line align-top">
            <td class="py-1">{{ name }}</td>
            <td class="figure whitespace-nowrap pl-3 text-right">
              {{ one.mean === null ? '–' : `${figure(one.mean, step)} ${unit}` }}
            </td>
            <td class="figure whitespace-nowrap pl-3 text-right">
              {{ one.scatter === null ? '–' : `${step < 1 ? one.scatter.toFixed(1) : round(one.scatter)} ${unit}` }}
            </td>
            <td class="pl-3">
              <template v-if="one.number">{{ between(one, unit, step) }}; {{ trend(one, unit) }}</template>
              <template v-else>not measured</template>
            </td>
          </tr>
          <tr>
            <td class="py-1">Touched with drift</td>
            <td class="figure text-right" colspan="2">
              {{ kind.drift_seen ? `${kind.drifted} of ${kind.drift_seen}` : '–' }}
            </td>
            <td class="pl-3">
              {{ kind.go_arounds }} go-around{{ kind.go_arounds === 1 ? '' : 's' }}, which cost nothing
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </article>
</template>
