<script setup lang="ts">
/** The final from the side, over the path as planned; the mark of the touchdown can be moved where it is wrong. */
import { say } from '@/said'
import { scaleLinear } from 'd3-scale'
import { computed, ref } from 'vue'
import type { Replay } from '@/api/types'
import { clamp, landingLength, pavedStart, snap } from '@/strip/places'
import { round } from '@/words'
import CursorDots from './CursorDots.vue'
import { lastIndex, line, pathOf, valueAt } from './lap'

export interface Planned {
  aim_ft: number
  angle_deg: number
  label: string
}
export interface TouchMark {
  along: number
  halfWidth: number | null
  label: string
}

const props = defineProps<{
  laps: readonly Replay[]
  planned: Planned | null
  mark: TouchMark | null
  movable: boolean
  width: number
  height: number
}>()
const emit = defineEmits<{ move: [feet: number] }>()
const GROUND = 34
const TOP = 20
const near = defineModel<boolean>('near', { required: true })
const first = computed(() => props.laps[0]!)
const reach = computed(() =>
  near.value ? { from: -900, to: 2_100, high: 70 } : { from: -7_000, to: 2_200, high: 420 },
)
const svg = ref<SVGSVGElement | null>(null)
const x = computed(() => scaleLinear([reach.value.from, reach.value.to], [0, props.width]))
const y = computed(() => scaleLinear([0, reach.value.high], [props.height - GROUND, TOP]))
const ticks = computed(() => x.value.ticks(near.value ? 8 : 9))
const heights = computed(() => y.value.ticks(4).filter((feet) => feet > 0))
const paths = computed(() =>
  props.laps.map((lap) => {
    // from the last turn on: what passes overhead on downwind is no final
    const start = lastIndex(
      lap,
      (k) => lap.time_s[k]! < 0 && (lap.along_ft[k]! < -9_000 || Math.abs(lap.lateral_ft[k]!) > 1_200),
    )
    return pathOf(lap, (k) => {
      const feet = lap.height_ft[k]
      if (k <= start || feet === null || feet === undefined) return null
      return lap.along_ft[k]! > reach.value.to + 400 ? null : [x.value(lap.along_ft[k]!), y.value(feet)]
    })
  }),
)
const planned = computed(() => {
  const path = props.planned
  if (!path) return ''
  const from = Math.max(reach.value.from, path.aim_ft - reach.value.high / Math.tan((path.angle_deg * Math.PI) / 180))
  const feet = (path.aim_ft - from) * Math.tan((path.angle_deg * Math.PI) / 180)
  return `M${x.value(from)} ${y.value(feet)} L${x.value(path.aim_ft)} ${y.value(0)}`
})
const steeper = computed(() => Math.round((y.value(0) - y.value(1)) / (x.value(1) - x.value(0))))
const pavedEnd = computed(() => landingLength(first.value.runway))

const moved = ref<number | null>(null)
const at = computed(() => moved.value ?? props.mark?.along ?? 0)
function feetAt(event: PointerEvent) {
  const box = svg.value!.getBoundingClientRect()
  const feet = x.value.invert(((event.clientX - box.left) / box.width) * props.width)
  return snap(clamp(feet, pavedStart(first.value.runway) - 200, pavedEnd.value), 5)
}
function grab(event: PointerEvent) {
  if (!props.movable) return
  moved.value = props.mark!.along
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}
function drag(event: PointerEvent) {
  if (moved.value !== null) moved.value = feetAt(event)
}
function drop() {
  const to = moved.value
  moved.value = null
  if (to !== null && Math.abs(to - props.mark!.along) >= 1) emit('move', to)
}
function nudge(event: KeyboardEvent) {
  const step = { ArrowLeft: -10, ArrowRight: 10, PageDown: -100, PageUp: 100 }[event.key]
  if (!step || !props.movable) return
  event.preventDefault()
  event.stopPropagation()
  emit('move', snap(props.mark!.along, 1) + step)
}
function place(lap: Replay, time: number) {
  const [along, feet] = [valueAt(lap, 'along_ft', time), valueAt(lap, 'height_ft', time)]
  if (along === null || feet === null || along < reach.value.from || along > reach.value.to || feet > reach.value.high)
    return null
  return [x.value(along), y.value(feet)] as const
}
</script>

<template>
  <svg
    ref="svg"
    :viewBox="`0 0 ${width} ${height}`"
    :width="width"
    :height="height"
    class="block select-none"
    role="group"
    :aria-label="say('replay.final-of-lap-from-the', { number: laps.map((lap) => lap.number).join(', ') })"
  >
    <g v-for="feet in heights" :key="feet">
      <line x1="0" :x2="width" :y1="y(feet)" :y2="y(feet)" stroke="var(--line)" />
      <text x="4" :y="y(feet) - 4" class="figure" font-size="13" fill="var(--ink-soft)">
        {{ round(feet) }}
        <tspan v-if="feet === heights.at(-1)">ft</tspan>
      </text>
    </g>
    <line x1="0" :x2="width" :y1="y(0)" :y2="y(0)" stroke="var(--ink-soft)" />
    <rect
      :x="x(pavedStart(first.runway))"
      :y="y(0)"
      :width="Math.max(0, x(pavedEnd) - x(pavedStart(first.runway)))"
      height="6"
      fill="var(--tarmac)"
    />
    <rect :x="x(0) - 1.5" :y="y(0)" width="3" height="10" fill="var(--ink)" />
    <path
      v-if="planned"
      :d="planned"
      fill="none"
      stroke="var(--aim)"
      stroke-width="2"
      stroke-dasharray="6 5"
      data-mark="planned"
    />
    <text
      v-if="props.planned"
      :x="clamp(x(props.planned.aim_ft), 60, width - 60)"
      :y="y(0) + 30"
      text-anchor="middle"
      class="words"
      fill="var(--aim-ink)"
    >
      {{ props.planned.label }}
    </text>
    <path
      v-for="(path, order) in paths"
      :key="laps[order]!.number"
      :d="path"
      fill="none"
      :stroke="line(order).stroke"
      stroke-width="2.5"
      :stroke-dasharray="line(order).dash"
      stroke-linejoin="round"
      data-mark="flown"
    />
    <CursorDots :laps="laps" :place="place" :upright="[TOP, y(0)]" />
    <g v-if="mark">
      <rect
        v-if="mark.halfWidth !== null && moved === null"
        :x="x(mark.along - mark.halfWidth)"
        :y="y(0) - 4"
        :width="x(mark.along + mark.halfWidth) - x(mark.along - mark.halfWidth)"
        height="8"
        fill="var(--predict)"
        fill-opacity="0.65"
      />
      <g
        :role="movable ? 'slider' : undefined"
        :tabindex="movable ? 0 : undefined"
        :aria-label="movable ? say('replay.touchdown-feet-from-the-threshold') : undefined"
        :aria-valuenow="movable ? Math.round(mark.along) : undefined"
        :class="movable ? 'cursor-ew-resize' : ''"
        :style="movable ? { touchAction: 'none' } : {}"
        data-mark="touch"
        @pointerdown="grab"
        @pointermove="drag"
        @pointerup="drop"
        @pointercancel="moved = null"
        @keydown="nudge"
      >
        <circle :cx="x(at)" :cy="y(0)" r="26" fill="transparent" />
        <path
          :d="`M${x(at)} ${y(0) - 11} l11 11 l-11 11 l-11 -11 Z`"
          fill="var(--card)"
          stroke="var(--ink)"
          stroke-width="2.5"
        />
      </g>
      <text :x="clamp(x(at), 80, width - 80)" :y="y(0) - 20" text-anchor="middle" class="words halo" fill="var(--ink)">
        {{ moved === null ? mark.label : `${round(moved)} ft` }}
      </text>
    </g>
    <text
      v-for="feet in ticks"
      :key="`t${feet}`"
      :x="clamp(x(feet), 24, width - 22)"
      :y="y(0) + 16"
      text-anchor="middle"
      class="figure"
      font-size="12"
      fill="var(--ink-soft)"
    >
      {{ round(feet) }}
    </text>
    <text :x="width - 4" y="13" text-anchor="end" class="soft" fill="var(--ink-soft)">
      {{ say('common.heights-drawn-times-too-tall', { steeper }) }}
    </text>
  </svg>
</template>

<style scoped>
.words {
  font-size: 14px;
  font-weight: 700;
}
.soft {
  font-size: 13px;
}
.halo {
  paint-order: stroke;
  stroke: var(--card);
  stroke-width: 4px;
}
</style>
