<script setup lang="ts">
/** Where each lap is at the moment of the cursor; apart from the drawing below, so that only this moves. */
import { computed } from 'vue'
import type { Replay } from '@/api/types'
import { line } from './lap'
import { useCursor } from './useCursor'

const props = defineProps<{
  laps: readonly Replay[]
  place: (lap: Replay, time: number) => readonly [number, number] | null
  upright?: readonly [number, number]
}>()
const { time } = useCursor()
const dots = computed(() =>
  props.laps.flatMap((lap, order) => {
    const at = props.place(lap, time.value)
    return at ? [{ number: lap.number, order, x: at[0], y: at[1] }] : []
  }),
)
</script>

<template>
  <g aria-hidden="true">
    <g v-for="dot in dots" :key="dot.number">
      <line
        v-if="upright && dot.order === 0"
        :x1="dot.x"
        :x2="dot.x"
        :y1="upright[0]"
        :y2="upright[1]"
        stroke="var(--ink-soft)"
        stroke-width="1.5"
      />
      <circle
        :cx="dot.x"
        :cy="dot.y"
        r="8"
        fill="var(--card)"
        :stroke="line(dot.order).stroke"
        stroke-width="3.5"
        data-mark="cursor"
      />
      <text
        :x="dot.x"
        :y="dot.y"
        text-anchor="middle"
        dominant-baseline="central"
        class="figure"
        font-size="11"
        fill="var(--ink)"
        >{{ dot.number }}</text
      >
    </g>
  </g>
</template>
