<script setup lang="ts">
/** The takeoff on the same runway: roll, abort mark, lift-off, 50 ft and what stands beyond. */
import { say } from '@/said'
import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { computed } from 'vue'
import type { Runway, Takeoff } from '@/api/types'
import { round } from '@/words'
import { clamp, landingLength, pavedStart } from './places'
import RunwayPaint from './RunwayPaint.vue'

const props = defineProps<{ runway: Runway; takeoff: Takeoff; width: number }>()
const TOP = 66
const TALL = 74
const GROUND = 282
const start = computed(() => pavedStart(props.runway))
const end = computed(() => landingLength(props.runway))
const obstacle = computed(() => props.runway.departure_obstacle ?? null)
/** Places of the takeoff are feet from the paved start; the strip counts from the landing threshold. */
const place = (feet: number) => start.value + feet
const far = computed(() =>
  Math.max(
    end.value + (obstacle.value?.beyond_end_ft ?? 0),
    props.takeoff.over_50_ft_ft === null ? 0 : place(props.takeoff.over_50_ft_ft),
  ),
)
const x = computed(() => scaleLinear([start.value - 60, far.value + 160], [0, props.width]))
/** Feet up a foot along, after lift-off; null where the distances are unknown. */
const gradient = computed(() => {
  const { ground_roll_ft: roll, over_50_ft_ft: over } = props.takeoff
  return roll === null || over === null ? null : 50 / (over - roll)
})
const last = computed(() => far.value + 150)
const highest = computed(() => {
  const over = props.takeoff.over_50_ft_ft
  const up = gradient.value === null || over === null ? 0 : 50 + (last.value - place(over)) * gradient.value
  return Math.max(80, up, (obstacle.value?.height_ft ?? 0) * 1.2)
})
const y = computed(() => scaleLinear([0, highest.value], [GROUND, TOP + TALL + 34]))
const climb = computed(() => {
  const { ground_roll_ft: roll, over_50_ft_ft: over } = props.takeoff
  if (roll === null || over === null || gradient.value === null) return ''
  const points: [number, number][] = [
    [start.value, 0],
    [place(roll), 0],
    [place(over), 50],
    [last.value, 50 + (last.value - place(over)) * gradient.value],
  ]
  return (
    line<[number, number]>(
      (p) => x.value(p[0]),
      (p) => y.value(p[1]),
    )(points) ?? ''
  )
})
const marks = computed(() => {
  const { ground_roll_ft: roll, over_50_ft_ft: over } = props.takeoff
  return [
    {
      key: 'abort',
      feet: place(props.takeoff.abort_point_ft),
      words: say('strip.abort-mark', { abort_point_ft: round(props.takeoff.abort_point_ft, 10) }),
      fill: 'var(--fail-ink)',
      row: 0,
    },
    ...(roll === null
      ? []
      : [
          {
            key: 'off',
            feet: place(roll),
            words: say('strip.lift-off', { roll: round(roll, 10) }),
            fill: 'var(--aim-ink)',
            row: 2,
          },
        ]),
    ...(over === null
      ? []
      : [
          {
            key: 'fifty',
            feet: place(over),
            words: say('strip.n-50-ft', { over: round(over, 10) }),
            fill: 'var(--pass-ink)',
            row: 1,
          },
        ]),
  ]
})
const labelX = (feet: number, words: string) => clamp(x.value(feet), words.length * 4, props.width - words.length * 4)
const ticks = computed(() => {
  const found: number[] = []
  for (let feet = 0; feet <= props.runway.length_ft; feet += 500) found.push(feet)
  return found
})
</script>

<template>
  <svg
    :viewBox="`0 0 ${width} 310`"
    :width="width"
    height="310"
    class="block select-none"
    role="img"
    :aria-label="
      say('strip.takeoff-on-runway-feet-from', { ident: runway.ident, words: marks.map((one) => one.words).join(', ') })
    "
  >
    <RunwayPaint :runway="runway" :x="x" :top="TOP" :height="TALL" />
    <g v-for="tick in ticks" :key="tick">
      <line :x1="x(place(tick))" :x2="x(place(tick))" :y1="TOP + TALL" :y2="TOP + TALL + 6" stroke="var(--ink-soft)" />
      <text
        :x="clamp(x(place(tick)), 12, width - 16)"
        :y="TOP + TALL + 20"
        text-anchor="middle"
        class="figure"
        font-size="13"
        fill="var(--ink-soft)"
      >
        {{ round(tick) }}
      </text>
    </g>
    <g v-for="mark in marks" :key="mark.key" :data-mark="mark.key">
      <line
        :x1="x(mark.feet)"
        :x2="x(mark.feet)"
        :y1="TOP - 6"
        :y2="TOP + TALL"
        stroke="var(--card)"
        stroke-width="6"
      />
      <line
        :x1="x(mark.feet)"
        :x2="x(mark.feet)"
        :y1="TOP - 6"
        :y2="TOP + TALL"
        :stroke="mark.fill"
        stroke-width="3"
        :stroke-dasharray="mark.key === 'abort' ? '' : '6 4'"
      />
      <text
        :x="labelX(mark.feet, mark.words)"
        :y="TOP - 46 + mark.row * 18"
        text-anchor="middle"
        class="label"
        :fill="mark.fill"
      >
        {{ mark.words }}
      </text>
    </g>
    <line x1="0" :x2="width" :y1="y(0)" :y2="y(0)" stroke="var(--ink-soft)" />
    <rect :x="x(start)" :y="y(0)" :width="x(end) - x(start)" height="5" fill="var(--tarmac)" />
    <g v-if="obstacle">
      <rect
        :x="x(end + obstacle.beyond_end_ft) - 4"
        :y="y(obstacle.height_ft)"
        width="8"
        :height="y(0) - y(obstacle.height_ft)"
        fill="var(--grass)"
        stroke="var(--ink)"
      />
      <text
        :x="x(end + obstacle.beyond_end_ft) - 8"
        :y="y(obstacle.height_ft) + 12"
        text-anchor="end"
        class="words"
        fill="var(--ink)"
      >
        {{ say('strip.obstacle-ft', { height_ft: round(obstacle.height_ft) }) }}
      </text>
    </g>
    <path :d="climb" fill="none" stroke="var(--aim)" stroke-width="3.5" />
    <text
      v-if="takeoff.over_50_ft_ft !== null"
      :x="x(place(takeoff.over_50_ft_ft)) - 6"
      :y="y(50) - 6"
      text-anchor="end"
      class="words"
      fill="var(--ink)"
    >
      50 ft
    </text>
    <text x="4" :y="GROUND + 22" class="words" fill="var(--ink-soft)">{{ say('strip.feet-from-the-start-of') }}</text>
  </svg>
</template>

<style scoped>
.label {
  font-size: 14px;
  font-weight: 700;
}
.words {
  font-size: 13px;
}
</style>
