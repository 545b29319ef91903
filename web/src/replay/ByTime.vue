<script setup lang="ts">
/** One figure by time; tap or drag on it to go there. */
import { say } from '@/said'
import { scaleLinear } from 'd3-scale'
import { computed, ref } from 'vue'
import type { Replay } from '@/api/types'
import { round } from '@/words'
import CursorDots from './CursorDots.vue'
import { line, pathOf, spanOf, valueAt, type Column } from './lap'
import { useCursor } from './useCursor'

const props = defineProps<{
  laps: readonly Replay[]
  column: Column
  label: string
  low: number
  high: number
  guides: readonly { value: number; label: string }[]
  width: number
  height: number
}>()
const cursor = useCursor()
const LEFT = 40
const FOOT = 18
const HEAD = 22
const svg = ref<SVGSVGElement | null>(null)
const x = computed(() => scaleLinear(spanOf(props.laps), [LEFT, props.width - 8]))
const y = computed(() => scaleLinear([props.low, props.high], [props.height - FOOT, HEAD]))
const paths = computed(() =>
  props.laps.map((lap) =>
    pathOf(lap, (k) => {
      const value = (lap[props.column] as (number | null)[])[k]
      return value === null || value === undefined
        ? null
        : [x.value(lap.time_s[k]!), y.value(Math.min(props.high, Math.max(props.low, value)))]
    }),
  ),
)
const ticks = computed(() => x.value.ticks(Math.max(3, Math.floor(props.width / 110))))
function go(event: PointerEvent) {
  if (event.type === 'pointermove' && !event.buttons) return
  const box = svg.value!.getBoundingClientRect()
  cursor.playing.value = false
  cursor.go(x.value.invert(((event.clientX - box.left) / box.width) * props.width))
}
function place(lap: Replay, time: number) {
  const value = valueAt(lap, props.column, time)
  if (value === null || time < lap.time_s[0]! || time > lap.time_s.at(-1)!) return null
  return [x.value(time), y.value(Math.min(props.high, Math.max(props.low, value)))] as const
}
</script>

<template>
  <svg
    ref="svg"
    :viewBox="`0 0 ${width} ${height}`"
    :width="width"
    :height="height"
    class="block cursor-pointer touch-pan-y select-none"
    role="img"
    :aria-label="say('replay.by-time', { label })"
    @pointerdown="go"
    @pointermove="go"
  >
    <text x="2" y="14" class="words" fill="var(--ink)">{{ label }}</text>
    <g v-for="guide in guides" :key="guide.value">
      <line
        :x1="LEFT"
        :x2="width - 8"
        :y1="y(guide.value)"
        :y2="y(guide.value)"
        stroke="var(--line)"
        :stroke-width="guide.value === 0 ? 2 : 1"
      />
      <text
        :x="LEFT - 5"
        :y="y(guide.value) + 4"
        text-anchor="end"
        class="figure"
        font-size="12"
        fill="var(--ink-soft)"
      >
        {{ guide.label }}
      </text>
    </g>
    <line :x1="x(0)" :x2="x(0)" :y1="HEAD" :y2="height - FOOT" stroke="var(--ink-soft)" stroke-dasharray="3 3" />
    <path
      v-for="(path, order) in paths"
      :key="laps[order]!.number"
      :d="path"
      fill="none"
      :stroke="line(order).stroke"
      stroke-width="2"
      :stroke-dasharray="line(order).dash"
    />
    <CursorDots :laps="laps" :place="place" :upright="[HEAD, height - FOOT]" />
    <text
      v-for="tick in ticks"
      :key="tick"
      :x="x(tick)"
      :y="height - 3"
      text-anchor="middle"
      class="figure"
      font-size="12"
      fill="var(--ink-soft)"
    >
      {{ tick === 0 ? say('replay.end') : `${round(tick)} s` }}
    </text>
  </svg>
</template>

<style scoped>
.words {
  font-size: 14px;
  font-weight: 700;
}
</style>
