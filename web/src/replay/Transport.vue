<script setup lang="ts">
/** Play, step, scrub, and jump to what happened. */
import { say } from '@/said'
import { useKeys } from '@/composables/useKeys'
import { fixed } from '@/words'
import type { Moment } from './lap'
import { useCursor } from './useCursor'

defineProps<{ span: readonly [number, number]; moments: readonly Moment[] }>()
const { time, playing, rate, go, step, toggle } = useCursor()
const RATES = [1, 2, 5, 10]
function jump(to: number) {
  playing.value = false
  go(to)
}
useKeys({ ArrowLeft: () => step(-1), ArrowRight: () => step(1) })
const seconds = (value: number) => `${value < 0 ? '−' : '+'}${fixed(Math.abs(value), 1)} s`
</script>

<template>
  <div class="panel flex flex-wrap items-center gap-2 !py-2" role="group" :aria-label="say('replay.play')">
    <button type="button" class="button button-main w-24" @click="toggle()">
      {{ playing ? say('replay.stop') : say('replay.play') }}
    </button>
    <button type="button" class="button !px-3" @click="step(-1)">−1 s</button>
    <button type="button" class="button !px-3" @click="step(1)">+1 s</button>
    <label class="flex min-h-11 items-center gap-1">
      <span class="sr-only">{{ say('common.speed') }}</span>
      <select v-model.number="rate" class="field !w-auto">
        <option v-for="one in RATES" :key="one" :value="one">{{ one }} ×</option>
      </select>
    </label>
    <input
      :value="time"
      type="range"
      class="min-h-11 min-w-40 flex-1"
      :aria-label="say('replay.moment-of-the-lap')"
      :aria-valuetext="say('replay.from-the-end-of-the', { time: seconds(time) })"
      :min="span[0]"
      :max="span[1]"
      step="0.1"
      @input="jump(Number(($event.target as HTMLInputElement).value))"
    />
    <output class="figure w-24 text-right text-lg" :aria-label="say('replay.seconds-from-the-end-of')">{{
      seconds(time)
    }}</output>
    <div class="flex flex-wrap gap-1.5" role="group" :aria-label="say('replay.jump-to')">
      <button v-for="one in moments" :key="one.label" type="button" class="button !px-3" @click="jump(one.time)">
        {{ one.label }}
      </button>
    </div>
  </div>
</template>
