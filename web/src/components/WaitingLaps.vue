<script setup lang="ts">
/** Laps that the server does not know yet, as this device can tell them. */
import { say } from '@/said'
import type { DeviceResult } from '@/offline/answers'
import type { ShownLap } from '@/offline/shown'
import { OUTCOME_LABEL, signed } from '@/words'

defineProps<{ laps: readonly { lap: ShownLap; here: DeviceResult | null }[] }>()
</script>

<template>
  <section class="panel" :aria-label="say('parts.laps-kept-on-this-device')">
    <h2 class="text-lg font-bold">{{ say('parts.kept-on-this-device-until') }}</h2>
    <ul class="divide-y divide-line">
      <li v-for="{ lap, here } in laps" :key="lap.id" class="grid gap-x-3 py-1.5 sm:grid-cols-[10rem_9rem_1fr]">
        <span class="font-bold">{{
          say('parts.lap', { number: lap.number, outcome: OUTCOME_LABEL[lap.values.outcome] })
        }}</span>
        <span class="figure">
          {{ here?.error_ft == null ? say('parts.no-touchdown') : `${signed(here.error_ft, 5)} ft` }}
          <b v-if="here?.hit != null" :class="here.hit ? 'text-pass-ink' : 'text-fail-ink'">
            {{ here.hit ? say('parts.in-the-box') : say('parts.outside') }}
          </b>
        </span>
        <span>{{ here?.cue ?? say('parts.take-the-sortie-along-before') }}</span>
      </li>
    </ul>
    <p class="text-sm text-soft">{{ say('parts.score-and-reasons-in-full') }}</p>
  </section>
</template>
