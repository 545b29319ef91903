<script setup lang="ts">
/** Which aircraft floats how far, learned from all pilots' laps; bars with the interval that holds 95 %. */
import { say } from '@/said'
import { useQuery } from '@tanstack/vue-query'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'
import { fleetQuery } from '@/api/queries'
import Loading from '@/components/Loading.vue'
import { fixed, round } from '@/words'

const fleet = useQuery(fleetQuery)
const rows = computed(() => fleet.data.value?.floats ?? [])
const reach = computed(() => Math.max(400, ...rows.value.map((one) => one.float_high_ft)) * 1.05)
const x = computed(() => scaleLinear([0, reach.value], [0, 100]))
const ticks = computed(() => x.value.ticks(6))
</script>

<template>
  <Loading v-if="!fleet.data.value" :error="fleet.error.value" :retry="fleet.refetch" />
  <div v-else class="space-y-3">
    <h1 class="text-2xl font-bold">{{ say('fleet.fleet-how-far-each-aircraft') }}</h1>
    <p class="max-w-3xl">
      {{ say('fleet.from-the-end-of-the') }}
    </p>
    <p v-if="!rows.length" class="panel">{{ say('fleet.no-laps-with-a-touchdown') }}</p>
    <ul v-else class="panel space-y-3">
      <li
        v-for="one in rows"
        :key="`${one.aircraft} ${one.flap}`"
        class="grid gap-x-4 gap-y-1 sm:grid-cols-[13rem_1fr]"
      >
        <div>
          <p class="font-bold">{{ say('fleet.flap', { aircraft: one.aircraft, flap: one.flap }) }}</p>
          <p class="text-sm text-soft">
            {{
              say('fleet.lap-timed-ft-s-to', {
                latest: one.has_more_laps ? say('fleet.the-latest') + ' ' : '',
                laps: one.laps,
                timed_laps: one.timed_laps,
                deceleration_fps2: fixed(one.deceleration_fps2, 1),
                deceleration_low: fixed(one.deceleration_low, 1),
                deceleration_high: fixed(one.deceleration_high, 1),
              })
            }}
          </p>
        </div>
        <div>
          <p class="figure text-xl leading-none">
            {{ round(one.float_ft, 10) }}<span class="unit">ft</span>{{ ' ' }}
            <span class="ml-2 text-base text-soft">{{
              say('fleet.to', {
                float_low_ft: round(one.float_low_ft, 10),
                float_high_ft: round(one.float_high_ft, 10),
              })
            }}</span>
          </p>
          <svg viewBox="0 0 100 10" preserveAspectRatio="none" class="mt-1 block h-6 w-full" aria-hidden="true">
            <rect x="0" y="0" width="100" height="10" fill="var(--paper)" />
            <line
              v-for="tick in ticks"
              :key="tick"
              :x1="x(tick)"
              :x2="x(tick)"
              y1="0"
              y2="10"
              stroke="var(--line)"
              stroke-width="0.2"
            />
            <rect x="0" y="2" :width="x(one.float_ft)" height="6" fill="var(--predict)" />
            <rect
              :x="x(one.float_low_ft)"
              y="4.4"
              :width="x(one.float_high_ft) - x(one.float_low_ft)"
              height="1.2"
              fill="var(--ink)"
            />
          </svg>
        </div>
      </li>
      <li class="grid gap-x-4 text-sm text-soft sm:grid-cols-[13rem_1fr]">
        <span class="hidden sm:block" />
        <span class="relative block h-5">
          <span
            v-for="tick in ticks"
            :key="tick"
            class="figure absolute -translate-x-1/2"
            :style="{ left: `${x(tick)}%` }"
            >{{ round(tick) }}</span
          >
        </span>
      </li>
    </ul>
  </div>
</template>
