<script setup lang="ts">
/** Where a lap touched by each who told: tapped, measured, corrected; which of them scores, and how to overrule it. */
import { say } from '@/said'
import { computed } from 'vue'
import type { Lap } from '@/api/types'
import { round } from '@/words'

const props = defineProps<{ lap: Lap; mayChange: boolean }>()
const emit = defineEmits<{ correct: [feet: number | null] }>()
interface Reading {
  value: number
  half_width: number | null
}
const HOW_LABEL: Record<string, string> = {
  tapped: say('replay.tapped'),
  tracked: say('replay.measured'),
  corrected: say('replay.corrected-by-hand'),
}
const of = computed(() => (props.lap.readings.along_ft ?? {}) as Record<string, Reading>)
const rows = computed(() =>
  ['tapped', 'tracked', 'corrected']
    .filter((how) => of.value[how])
    .map((how) => ({ how, ...of.value[how]!, counts: props.lap.known_by.along_ft === how })),
)
</script>

<template>
  <section
    v-if="rows.length"
    class="panel flex flex-wrap items-center gap-x-6 gap-y-2"
    :aria-label="say('replay.where-it-touched')"
  >
    <h2 class="font-bold">{{ say('replay.lap-touched', { number: lap.number }) }}</h2>
    <p v-for="row in rows" :key="row.how" :class="row.counts ? '' : 'text-soft'">
      <span class="figure text-2xl">{{ round(row.value) }}</span> ft
      <span v-if="row.half_width !== null" class="figure"> ± {{ round(row.half_width) }}</span>
      {{ HOW_LABEL[row.how] }}<b v-if="row.counts"> {{ ' ' + say('replay.scores') }}</b>
    </p>
    <span class="flex-1" />
    <template v-if="mayChange">
      <button v-if="of.corrected" type="button" class="button" @click="emit('correct', null)">
        {{ say('replay.take-the-correction-back') }}
      </button>
      <button
        v-else-if="of.tapped && lap.known_by.along_ft !== 'tapped'"
        type="button"
        class="button"
        @click="emit('correct', of.tapped.value)"
      >
        {{ say('replay.the-tap-was-right') }}
      </button>
      <p class="basis-full text-sm text-soft">
        {{ say('replay.of-two-the-better-known') }}
      </p>
    </template>
  </section>
</template>
