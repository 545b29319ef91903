<script setup lang="ts">
/** One kind of landing of a student: how sure it is, the small strip, mean apart from scatter, habits. */
import { say } from '@/said'
import { computed } from 'vue'
import type { KindProgress } from '@/api/types'
import { fixed, LANDING_LABEL, day, percent, round, signed } from '@/words'
import KindStrip from './KindStrip.vue'
import { READY_LABEL } from './words'

const props = defineProps<{ kind: KindProgress; needed: number }>()
const known = computed(() => props.kind.readiness)
type Spread = KindProgress['touchdown']
const between = (one: Spread, unit: string, step: number) =>
  one.mean_low === null || one.mean_high === null
    ? ''
    : say('record.n-95-of-100-to', { step: figure(one.mean_low, step), step_2: figure(one.mean_high, step), unit })
const trend = (one: Spread, unit: string) => {
  if (one.trend === null || one.trend_low === null || one.trend_high === null)
    return say('record.trend-too-few-landings')
  if (one.trend_low < 0 && one.trend_high > 0) return say('record.no-trend-that-is-more')
  return say('record.from-one-landing-to-the', {
    trend: one.trend > 0 ? '+' : '−',
    unit: fixed(Math.abs(one.trend), unit === 'ft' ? 1 : 2),
    unit_2: unit,
  })
}
const rows = computed(() => [
  { name: say('standards.from-the-spot'), one: props.kind.touchdown, unit: 'ft', step: 1 },
  { name: say('record.speed-from-the-briefed'), one: props.kind.speed, unit: 'kt', step: 0.1 },
  { name: say('record.float-over-the-model'), one: props.kind.float_over_s, unit: 's', step: 0.1 },
])
const figure = (value: number, step: number) =>
  step < 1 ? `${value > 0 ? '+' : ''}${fixed(value, 1)}`.replace('-', '−') : signed(value)
</script>

<template>
  <article class="panel space-y-2" :aria-label="LANDING_LABEL[kind.landing]">
    <header class="flex flex-wrap items-baseline gap-x-3">
      <h3 class="text-lg font-bold">{{ LANDING_LABEL[kind.landing] }}</h3>
      <span class="font-bold" :class="known.state === 'at_standard' ? 'text-pass-ink' : ''">
        {{ READY_LABEL[known.state] }}
      </span>
      <span class="flex-1" />
      <span class="text-sm text-soft">{{ say('record.last', { last_on: day(kind.last_on) }) }}</span>
    </header>
    <p v-if="known.chance !== null" class="flex flex-wrap items-baseline gap-x-4">
      <span>
        <span class="figure text-3xl">{{ percent(known.chance) }}</span>
        <span class="ml-2 text-sm text-soft">
          {{ say('record.of-landings-meet-it-are', { needed: percent(needed) }) }}</span
        >
      </span>
      <span class="text-sm text-soft">
        {{
          say('record.to-three-in-a-row', {
            chance_low: percent(known.chance_low ?? 0),
            chance_high: percent(known.chance_high ?? 1),
            chance_of_three: percent(known.chance_of_three ?? 0),
          })
        }}
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
            <th class="py-1">
              {{ say('record.judged-of', { judged: kind.readiness.judged, landings: kind.landings }) }}
            </th>
            <th class="pl-3 text-right">{{ say('record.mean') }}</th>
            <th class="pl-3 text-right">{{ say('record.scatter') }}</th>
            <th class="pl-3">{{ say('record.how-sure-and-trend') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="{ name, one, unit, step } in rows" :key="name" class="border-b border-line align-top">
            <td class="py-1">{{ name }}</td>
            <td class="figure whitespace-nowrap pl-3 text-right">
              {{ one.mean === null ? '–' : `${figure(one.mean, step)} ${unit}` }}
            </td>
            <td class="figure whitespace-nowrap pl-3 text-right">
              {{ one.scatter === null ? '–' : `${step < 1 ? fixed(one.scatter, 1) : round(one.scatter)} ${unit}` }}
            </td>
            <td class="pl-3">
              <template v-if="one.number">{{ between(one, unit, step) }}; {{ trend(one, unit) }}</template>
              <template v-else>{{ say('record.not-measured') }}</template>
            </td>
          </tr>
          <tr>
            <td class="py-1">{{ say('record.touched-with-drift') }}</td>
            <td class="figure text-right" colspan="2">
              {{ kind.drift_seen ? say('record.of', { drifted: kind.drifted, drift_seen: kind.drift_seen }) : '–' }}
            </td>
            <td class="pl-3">
              {{
                say('record.go-around-which-cost-nothing', {
                  go_arounds: kind.go_arounds,
                })
              }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </article>
</template>
