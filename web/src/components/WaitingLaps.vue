<script setup lang="ts">
/** Laps that the server does not know yet, as this device can tell them. */
import type { DeviceResult } from '@/offline/answers'
import type { ShownLap } from '@/offline/shown'
import { OUTCOME_LABEL, signed } from '@/words'

defineProps<{ laps: readonly { lap: ShownLap; here: DeviceResult | null }[] }>()
</script>

<template>
  <section class="panel" aria-label="Laps kept on this device">
    <h2 class="text-lg font-bold">Kept on this device until there is a network</h2>
    <ul class="divide-y divide-line">
      <li v-for="{ lap, here } in laps" :key="lap.id" class="grid gap-x-3 py-1.5 sm:grid-cols-[10rem_9rem_1fr]">
        <span class="font-bold">Lap {{ lap.number }}: {{ OUTCOME_LABEL[lap.values.outcome] }}</span>
        <span class="figure">
          {{ here?.error_ft == null ? 'no touchdown' : `${signed(here.error_ft, 5)} ft` }}
          <b v-if="here?.hit != null" :class="here.hit ? 'text-pass-ink' : 'text-fail-ink'">
            {{ here.hit ? '✓ in the box' : '✕ outside' }}
          </b>
        </span>
        <span>{{ here?.cue ?? 'Take the sortie along before the flight, and this device can tell why.' }}</span>
      </li>
    </ul>
    <p class="text-sm text-soft">Score and reasons in full come from the server, as soon as it has them.</p>
  </section>
</template>
