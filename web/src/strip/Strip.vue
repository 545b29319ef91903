<script setup lang="ts">
/** The runway to scale, landing from left to right, with its paint and the marks of one landing. */
import { say } from '@/said'
import { scaleLinear } from 'd3-scale'
import { computed, ref } from 'vue'
import type { Runway } from '@/api/types'
import { round } from '@/words'
import { clamp, landingLength, pavedStart, snap, type Marks } from './places'
import RunwayPaint from './RunwayPaint.vue'

export interface Touch {
  key: string
  along: number
  lateral: number | null
  label: string
  strong?: boolean
}

const props = withDefaults(
  defineProps<{
    runway: Runway
    from: number
    to: number
    width: number
    runwayHeight?: number
    brief?: Marks | null
    touches?: Touch[]
    reach?: [number, number] | null
    exits?: { name: string; at_ft: number; can_be_made: boolean }[]
    canDragSpot?: boolean
    canTap?: boolean
    spotLabel?: string
    tapLabel?: string
  }>(),
  {
    runwayHeight: 74,
    reach: null,
    exits: () => [],
    brief: null,
    touches: () => [],
    spotLabel: '',
    tapLabel: '',
  },
)
const emit = defineEmits<{
  spot: [feet: number]
  spotEnd: []
  tap: [place: { along: number; lateral: number }]
  nudge: [by: { along: number; lateral: number }]
}>()

const ABOVE = 50
const BELOW = 44
const svg = ref<SVGSVGElement | null>(null)
const height = computed(() => ABOVE + props.runwayHeight + BELOW)
const x = computed(() => scaleLinear([props.from, props.to], [0, props.width]))
const top = ABOVE
const bottom = computed(() => ABOVE + props.runwayHeight)
const middle = computed(() => ABOVE + props.runwayHeight / 2)
const perFtAcross = computed(() => props.runwayHeight / props.runway.width_ft)
const y = (lateral: number) => middle.value + lateral * perFtAcross.value
const end = computed(() => landingLength(props.runway))
const ticks = computed(() => {
  const step = (props.to - props.from) / props.width > 1.6 ? 500 : 200
  const first = Math.ceil(Math.max(props.from, pavedStart(props.runway)) / step) * step
  const found: number[] = []
  for (let feet = first; feet <= Math.min(props.to, end.value); feet += step) found.push(feet)
  return found
})
const isBehind = (feet: number) => feet < props.from || feet > props.to

/** Keep a centred label of roughly this many letters inside the drawing. */
function labelX(feet: number, letters: number) {
  const half = letters * 4.1
  return clamp(x.value(feet), half, Math.max(half, props.width - half))
}
const words = computed(() => {
  const brief = props.brief
  if (!brief) return null
  const gate = brief.go_around_point_ft
  const [nearest, farthest] = brief.box_ft
  // a box that nobody has worked out here has no length
  const spot = `${props.spotLabel || say('common.spot')} ${round(brief.spot_ft)}${farthest > nearest ? say('strip.box-to', { farthest: round(farthest) }) : ''}`
  const aim =
    brief.aim_is_good === false
      ? say('strip.no-good-aim')
      : say('strip.aim', { aim_point_ft: round(brief.aim_point_ft, 10) })
  const expected = brief.predicted_band_ft
  const band = expected
    ? say('strip.n-2-in-3-touch-to', { expected: round(expected[0], 10), expected_2: round(expected[1], 10) })
    : ''
  return {
    spot,
    aim,
    band,
    gate: gate === null || gate < 0 ? '' : say('strip.go-around-by', { gate: round(gate, 10) }),
  }
})

/** The word beside the wedge goes to its left, where the spot's is not; at the edge of the drawing to its right. */
const aimLabelFits = computed(() => x.value(props.brief?.aim_point_ft ?? 0) - 17 > (words.value?.aim.length ?? 0) * 8)

function feetAt(event: PointerEvent): { along: number; lateral: number } {
  const box = svg.value!.getBoundingClientRect()
  const along = x.value.invert(((event.clientX - box.left) / box.width) * props.width)
  const lateral = (((event.clientY - box.top) / box.height) * height.value - middle.value) / perFtAcross.value
  const half = props.runway.width_ft / 2
  return {
    along: snap(clamp(along, pavedStart(props.runway) - 50, end.value), 10),
    lateral: snap(clamp(lateral, -half, half), 1),
  }
}

const isDragging = ref(false)
const spotFeet = (event: PointerEvent) => clamp(feetAt(event).along, 0, end.value - 10)
function grab(event: PointerEvent) {
  isDragging.value = true
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}
function drag(event: PointerEvent) {
  if (isDragging.value) emit('spot', spotFeet(event))
}
function drop() {
  if (!isDragging.value) return
  isDragging.value = false
  emit('spotEnd')
}
function nudge(event: KeyboardEvent) {
  const step = { ArrowLeft: -10, ArrowRight: 10, PageDown: -100, PageUp: 100 }[event.key]
  if (!step || !props.brief) return
  event.preventDefault()
  emit('spot', clamp(snap(props.brief.spot_ft, 10) + step, 0, end.value - 10))
  emit('spotEnd')
}
function tap(event: PointerEvent) {
  if (props.canTap) emit('tap', feetAt(event))
}
/** Arrow keys fine-tune a tap: along the runway in tens of feet, across it in twos. */
const NUDGE: Record<string, { along: number; lateral: number }> = {
  ArrowLeft: { along: -10, lateral: 0 },
  ArrowRight: { along: 10, lateral: 0 },
  PageDown: { along: -100, lateral: 0 },
  PageUp: { along: 100, lateral: 0 },
  ArrowUp: { along: 0, lateral: -2 },
  ArrowDown: { along: 0, lateral: 2 },
}
function fineTune(event: KeyboardEvent) {
  const by = props.canTap ? NUDGE[event.key] : undefined
  if (!by) return
  event.preventDefault()
  emit('nudge', by)
}
</script>

<template>
  <svg
    ref="svg"
    :viewBox="`0 0 ${width} ${height}`"
    :width="width"
    :height="height"
    class="block select-none"
    :class="{ 'cursor-crosshair touch-pan-y': canTap }"
    :role="canTap ? 'application' : canDragSpot ? 'group' : 'img'"
    :aria-label="
      canTap
        ? tapLabel || say('strip.where-the-wheels-touched')
        : say('strip.runway-from-the-landing-threshold', { ident: runway.ident })
    "
    :tabindex="canTap ? 0 : undefined"
    @pointerup="tap"
    @keydown="fineTune"
  >
    <defs>
      <pattern id="expected" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="3" height="7" fill="var(--predict)" />
      </pattern>
      <clipPath id="window"><rect width="100%" height="100%" /></clipPath>
    </defs>
    <g clip-path="url(#window)">
      <RunwayPaint :runway="runway" :x="x" :top="top" :height="runwayHeight" />

      <!-- what a glide from abeam can reach: a bar along the lower edge -->
      <g v-if="reach" data-mark="reach">
        <rect
          :x="x(reach[0])"
          :y="bottom - 7"
          :width="Math.max(0, x(reach[1]) - x(reach[0]))"
          height="7"
          fill="var(--paint)"
          stroke="var(--aim)"
          stroke-width="1.5"
        />
        <text :x="Math.max(x(reach[0]), x(0)) + 24" :y="bottom - 12" class="label" fill="var(--paint)">
          {{ say('strip.glide-reach') }}
        </text>
      </g>

      <template v-if="brief && words">
        <!-- box: where the standard wants the wheels -->
        <rect
          :x="x(brief.box_ft[0])"
          :y="top + 2"
          :width="x(brief.box_ft[1]) - x(brief.box_ft[0])"
          :height="runwayHeight - 4"
          fill="var(--spot)"
          fill-opacity="0.2"
          stroke="var(--spot-on-tarmac)"
          stroke-width="2.5"
        />
        <!-- prediction: hatched band -->
        <rect
          v-if="brief.predicted_band_ft"
          data-mark="band"
          :x="x(brief.predicted_band_ft[0])"
          :y="bottom - runwayHeight * 0.26"
          :width="x(brief.predicted_band_ft[1]) - x(brief.predicted_band_ft[0])"
          :height="runwayHeight * 0.26"
          fill="url(#expected)"
          stroke="var(--predict)"
          stroke-width="1.5"
        />
        <!-- go-around point: a gate of two short bars -->
        <g v-if="brief.go_around_point_ft !== null && brief.go_around_point_ft >= 0" data-mark="gate">
          <rect :x="x(brief.go_around_point_ft) - 3" :y="top - 10" width="6" height="24" fill="var(--fail-ink)" />
          <rect :x="x(brief.go_around_point_ft) - 3" :y="bottom - 18" width="6" height="24" fill="var(--fail-ink)" />
        </g>
        <!-- aim: hollow wedge pointing down on the runway -->
        <g v-if="brief.aim_point_ft !== null" data-mark="aim">
          <line
            :x1="x(brief.aim_point_ft)"
            :x2="x(brief.aim_point_ft)"
            :y1="top"
            :y2="bottom"
            stroke="var(--aim-on-tarmac)"
            stroke-width="2"
            stroke-dasharray="5 4"
          />
          <path
            :d="`M${x(brief.aim_point_ft) - 12} ${top - 20} h24 L${x(brief.aim_point_ft)} ${top} Z`"
            fill="var(--card)"
            stroke="var(--aim)"
            stroke-width="3"
            stroke-linejoin="round"
          />
        </g>
        <!-- turn-offs: a stub at the lower edge, open where braking makes it, crossed where it does not -->
        <g v-for="exit in exits" :key="exit.name" data-mark="exit">
          <rect
            :x="x(exit.at_ft) - 6"
            :y="bottom"
            width="12"
            height="9"
            :fill="exit.can_be_made ? 'var(--tarmac)' : 'none'"
            stroke="var(--tarmac)"
            stroke-width="2"
          />
          <text
            :x="x(exit.at_ft)"
            :y="bottom - 6"
            text-anchor="middle"
            class="label"
            fill="var(--paint)"
            stroke="var(--tarmac)"
            stroke-width="4"
            paint-order="stroke"
          >
            {{ exit.name }} {{ exit.can_be_made ? '✓' : '✕' }}
          </text>
        </g>

        <!-- spot: ring -->
        <g
          data-mark="spot"
          :class="canDragSpot ? 'cursor-ew-resize' : ''"
          :style="canDragSpot ? { touchAction: 'none' } : {}"
          :role="canDragSpot ? 'slider' : undefined"
          :tabindex="canDragSpot ? 0 : undefined"
          :aria-label="canDragSpot ? say('strip.spot-feet-from-the-threshold') : undefined"
          :aria-valuenow="canDragSpot ? Math.round(brief.spot_ft) : undefined"
          :aria-valuemin="canDragSpot ? 0 : undefined"
          :aria-valuemax="canDragSpot ? Math.round(end) : undefined"
          @pointerdown="canDragSpot && grab($event)"
          @pointermove="drag"
          @pointerup="drop"
          @pointercancel="drop"
          @keydown="canDragSpot && nudge($event)"
        >
          <circle :cx="x(brief.spot_ft)" :cy="middle" :r="canDragSpot ? 28 : 12" fill="transparent" />
          <circle
            :cx="x(brief.spot_ft)"
            :cy="middle"
            r="11"
            fill="none"
            stroke="var(--spot-on-tarmac)"
            stroke-width="5"
          />
        </g>
        <!-- words -->
        <text
          :x="labelX(brief.spot_ft, words.spot.length)"
          y="13"
          text-anchor="middle"
          class="label"
          fill="var(--spot-ink)"
        >
          {{ words.spot }}
        </text>
        <text
          v-if="brief.aim_point_ft !== null && !isBehind(brief.aim_point_ft)"
          :x="x(brief.aim_point_ft) + (aimLabelFits ? -17 : 17)"
          :y="top - 6"
          :text-anchor="aimLabelFits ? 'end' : 'start'"
          class="label"
          fill="var(--aim-ink)"
        >
          {{ words.aim }}
        </text>
        <text
          v-if="words.gate && !isBehind(brief.go_around_point_ft!)"
          :x="labelX(brief.go_around_point_ft!, words.gate.length)"
          :y="top - 17"
          text-anchor="middle"
          class="label"
          fill="var(--fail-ink)"
        >
          {{ words.gate }}
        </text>
        <text
          v-if="brief.predicted_band_ft"
          :x="labelX((brief.predicted_band_ft[0] + brief.predicted_band_ft[1]) / 2, words.band.length)"
          :y="bottom + 38"
          text-anchor="middle"
          class="label"
          fill="var(--aim-ink)"
        >
          {{ words.band }}
        </text>
      </template>

      <!-- touchdowns: filled diamonds -->
      <g v-for="touch in touches" :key="touch.key" data-mark="touch">
        <path
          :d="`M${x(touch.along)} ${y(touch.lateral ?? 0) - 11} l11 11 l-11 11 l-11 -11 Z`"
          :fill="touch.strong === false ? 'var(--ink-soft)' : 'var(--card)'"
          stroke="var(--ink)"
          stroke-width="2"
        />
        <text
          :x="x(touch.along)"
          :y="y(touch.lateral ?? 0)"
          text-anchor="middle"
          dominant-baseline="central"
          class="figure"
          font-size="12"
          :fill="touch.strong === false ? 'var(--card)' : 'var(--ink)'"
        >
          {{ touch.label }}
        </text>
      </g>

      <slot :x="x" :y="y" :top="top" :bottom="bottom" />

      <!-- feet from the threshold -->
      <g v-for="feet in ticks" :key="feet">
        <line :x1="x(feet)" :x2="x(feet)" :y1="bottom" :y2="bottom + 6" stroke="var(--ink-soft)" />
        <text
          :x="clamp(x(feet), 12, width - 16)"
          :y="bottom + 20"
          text-anchor="middle"
          class="figure"
          font-size="13"
          fill="var(--ink-soft)"
        >
          {{ round(feet) }}
        </text>
      </g>
    </g>
  </svg>
</template>

<style scoped>
.label {
  font-size: 14px;
  font-weight: 700;
}
</style>
