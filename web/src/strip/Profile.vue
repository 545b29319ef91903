<script setup lang="ts">
/** The same landing from the side, on the same feet as the strip above it. */
import { say } from '@/said'
import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { computed } from 'vue'
import type { Brief, Runway } from '@/api/types'
import { fixed, round } from '@/words'
import { landingLength, pavedStart } from './places'

const props = withDefaults(
  defineProps<{ runway: Runway; brief: Brief; from: number; to: number; width: number; height?: number }>(),
  { height: 120 },
)
const GROUND = 30
const top = 24
const slope = computed(() => Math.tan((props.brief.speed.path_angle_deg * Math.PI) / 180))
/** How fast the path and the surface come together; the drawing lays the surface level. */
const closing = computed(() => slope.value + (props.runway.slope_pct ?? 0) / 100)
/** Height of the wheels: the eyes lead to the aim point, the wheels follow lower on a path beside it. */
const pathHeight = (feet: number) =>
  props.brief.touchdown.roundout_height_ft + (props.brief.touchdown.roundout_start_ft - feet) * closing.value
const crossing = computed(() => pathHeight(0))
const highest = computed(() => Math.max(30, crossing.value * 1.4, (props.runway.obstacle?.height_ft ?? 0) * 1.3))
const x = computed(() => scaleLinear([props.from, props.to], [0, props.width]))
const y = computed(() => scaleLinear([0, highest.value], [props.height - GROUND, top]))
const draw = line<readonly [number, number]>(
  (point) => x.value(point[0]),
  (point) => y.value(point[1]),
)
const path = computed(() => {
  const start = Math.max(props.from, props.brief.touchdown.roundout_start_ft - highest.value / closing.value)
  return draw([
    [start, pathHeight(start)],
    [props.brief.touchdown.roundout_start_ft, props.brief.touchdown.roundout_height_ft],
  ])
})
/** Roundout: the circular arc, drawn as a parabola that leaves along the path and ends level. */
const roundout = computed(() => {
  const {
    roundout_start_ft: a,
    hold_off_start_ft: b,
    roundout_height_ft: high,
    hold_off_height_ft: low,
  } = props.brief.touchdown
  return draw(
    Array.from({ length: 13 }, (_, i) => {
      const part = i / 12
      return [a + (b - a) * part, low + (high - low) * (1 - part) ** 2] as const
    }),
  )
})
const hold = computed(() => {
  const { hold_off_start_ft: a, predicted_touchdown_ft: b, hold_off_height_ft: low } = props.brief.touchdown
  return draw(Array.from({ length: 9 }, (_, i) => [a + ((b - a) * i) / 8, low * (1 - (i / 8) ** 2)] as const))
})
const stop = computed(() =>
  props.brief.ground.ground_roll
    ? props.brief.touchdown.predicted_touchdown_ft + props.brief.ground.ground_roll.expected_ft
    : null,
)
const steeper = computed(() => Math.round((y.value(0) - y.value(1)) / (x.value(1) - x.value(0))))
</script>

<template>
  <svg
    :viewBox="`0 0 ${width} ${height}`"
    :width="width"
    :height="height"
    class="block select-none"
    role="img"
    :aria-label="
      say('strip.side-view-wheels-feet-over', {
        crossing: round(crossing),
        roundout_height_ft: round(brief.touchdown.roundout_height_ft),
        float_ft: round(brief.touchdown.float_ft),
      })
    "
  >
    <rect
      :x="x(pavedStart(runway))"
      :y="y(0)"
      :width="Math.max(0, x(landingLength(runway)) - x(pavedStart(runway)))"
      height="5"
      fill="var(--tarmac)"
    />
    <line :x1="0" :x2="width" :y1="y(0)" :y2="y(0)" stroke="var(--ink-soft)" />
    <g v-if="crossing > 0 && crossing < highest">
      <line :x1="x(0)" :x2="x(0)" :y1="y(crossing)" :y2="y(0)" stroke="var(--ink-soft)" stroke-dasharray="2 3" />
      <text
        :x="Math.max(4, x(0) - 6)"
        :y="y(0) + 20"
        :text-anchor="x(0) > 150 ? 'end' : 'start'"
        class="words"
        fill="var(--ink-soft)"
      >
        {{ say('strip.wheels-ft-up-at-the', { crossing: round(crossing) }) }}
      </text>
    </g>
    <g v-if="runway.obstacle">
      <rect
        :x="x(-runway.obstacle.before_threshold_ft) - 4"
        :y="y(runway.obstacle.height_ft)"
        width="8"
        :height="y(0) - y(runway.obstacle.height_ft)"
        fill="var(--grass)"
        stroke="var(--ink)"
      />
      <text
        :x="Math.max(4, x(-runway.obstacle.before_threshold_ft) + 8)"
        :y="y(runway.obstacle.height_ft) + 12"
        class="words"
        fill="var(--ink)"
      >
        {{ say('strip.obstacle-ft', { height_ft: round(runway.obstacle.height_ft) }) }}
      </text>
    </g>
    <path :d="path ?? ''" fill="none" stroke="var(--aim)" stroke-width="3" />
    <path
      :d="`M${x(brief.touchdown.roundout_start_ft)} ${y(brief.touchdown.roundout_height_ft)} L${x(brief.aim.aim_point_ft)} ${y(0)}`"
      fill="none"
      stroke="var(--aim)"
      stroke-width="1.5"
      stroke-dasharray="4 4"
    />
    <path :d="roundout ?? ''" fill="none" stroke="var(--ink)" stroke-width="3.5" />
    <path :d="hold ?? ''" fill="none" stroke="var(--predict)" stroke-width="5" />
    <path
      :d="`M${x(brief.touchdown.predicted_touchdown_ft)} ${y(0) - 7} l7 7 l-7 7 l-7 -7 Z`"
      fill="var(--card)"
      stroke="var(--ink)"
      stroke-width="2"
    />
    <line
      v-if="stop !== null"
      :x1="x(brief.touchdown.predicted_touchdown_ft) + 8"
      :x2="x(stop)"
      :y1="y(0) + 2.5"
      :y2="y(0) + 2.5"
      stroke="var(--paint)"
      stroke-width="2"
      stroke-dasharray="6 3"
    />
    <text
      :x="x(brief.touchdown.roundout_start_ft) + 12"
      :y="y(brief.touchdown.roundout_height_ft) - 12"
      class="words"
      fill="var(--ink)"
    >
      {{ say('strip.roundout-from-ft', { roundout_height_ft: round(brief.touchdown.roundout_height_ft) }) }}
    </text>
    <text :x="x(brief.touchdown.predicted_touchdown_ft) + 14" :y="y(0) - 9" class="words" fill="var(--aim-ink)">
      {{
        say('strip.float-ft-s', {
          float_ft: round(brief.touchdown.float_ft, 10),
          float_s: fixed(brief.touchdown.float_s, 1),
        })
      }}
    </text>
    <text
      v-if="stop !== null && x(stop) - x(brief.touchdown.predicted_touchdown_ft) > 240"
      :x="x(stop)"
      :y="y(0) + 20"
      text-anchor="end"
      class="words"
      fill="var(--ink-soft)"
    >
      {{ say('strip.roll-ft', { expected_ft: round(brief.ground.ground_roll!.expected_ft, 10) }) }}
    </text>
    <text :x="width - 4" y="14" text-anchor="end" class="words" fill="var(--ink-soft)">
      {{ say('common.heights-drawn-times-too-tall', { steeper }) }}
    </text>
  </svg>
</template>

<style scoped>
.words {
  font-size: 13px;
}
</style>
