<script setup lang="ts">
/** The pattern from above, to scale: ground track, gates with their heights, wind, and where to land if the engine stops. */
import { say } from '@/said'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'
import type { Pattern, Plan, Runway } from '@/api/types'
import { LEG_LABEL, round } from '@/words'
import { landingLength, pavedStart } from './places'

const props = defineProps<{
  runway: Runway
  pattern: Pattern
  width: number
  height: number
  northUp: boolean
  reach: [number, number] | null
  marks: Plan['marks']
}>()
type Spot = readonly [number, number]
const turn = computed(() => (props.northUp ? (props.runway.course_deg_true * Math.PI) / 180 : 0))
/** Runway frame to the sheet, in feet: right of the sheet, and up. */
function sheet(along: number, lateral: number): Spot {
  const [sin, cos] = [Math.sin(turn.value), Math.cos(turn.value)]
  return [along * sin + lateral * cos, along * cos - lateral * sin]
}
const start = computed(() => pavedStart(props.runway))
const end = computed(() => landingLength(props.runway))
const track = computed(() => props.pattern.path.map((p) => sheet(p.along_ft, p.lateral_ft)))
const SECTOR_FT = 4_000
const sector = computed(() => {
  const points = [sheet(end.value, 0)]
  for (let deg = -30; deg <= 30; deg += 6) {
    const rad = (deg * Math.PI) / 180
    points.push(sheet(end.value + SECTOR_FT * Math.cos(rad), SECTOR_FT * Math.sin(rad)))
  }
  return points
})
const box = computed(() => {
  const all = [...track.value, ...sector.value, sheet(start.value, 0), sheet(end.value, 0)]
  const xs = all.map((p) => p[0])
  const ys = all.map((p) => p[1])
  return { left: Math.min(...xs), right: Math.max(...xs), low: Math.min(...ys), high: Math.max(...ys) }
})
const PAD = 64
const scale = computed(() =>
  Math.min(
    (props.width - 2 * PAD) / (box.value.right - box.value.left),
    (props.height - 2 * PAD) / (box.value.high - box.value.low),
  ),
)
const x = computed(() => {
  const middle = (box.value.left + box.value.right) / 2
  return scaleLinear([middle, middle + 1], [props.width / 2, props.width / 2 + scale.value])
})
const y = computed(() => {
  const middle = (box.value.low + box.value.high) / 2
  return scaleLinear([middle, middle + 1], [props.height / 2, props.height / 2 - scale.value])
})
const draw = (points: readonly Spot[]) =>
  points.map((p, i) => `${i ? 'L' : 'M'}${x.value(p[0]).toFixed(1)} ${y.value(p[1]).toFixed(1)}`).join('')
const at = (along: number, lateral: number) => {
  const spot = sheet(along, lateral)
  return { x: x.value(spot[0]), y: y.value(spot[1]) }
}
const centre = computed(() => {
  const all = track.value
  return [
    x.value(all.reduce((sum, p) => sum + p[0], 0) / all.length),
    y.value(all.reduce((sum, p) => sum + p[1], 0) / all.length),
  ] as const
})
/** Where a label goes: away from the middle of the pattern, so that it never lies on the track. */
function outward(place: { x: number; y: number }, far: number) {
  const [dx, dy] = [place.x - centre.value[0], place.y - centre.value[1]]
  const long = Math.hypot(dx, dy) || 1
  const [ux, uy] = [dx / long, dy / long]
  const anchor = ux > 0.4 ? 'start' : ux < -0.4 ? 'end' : 'middle'
  return { x: place.x + ux * far, y: place.y + uy * far + 5, anchor }
}
const legs = computed(() =>
  props.pattern.legs.map((leg) => {
    const points = props.pattern.path.filter((p) => p.leg === leg.leg)
    const [a, b] = [points.at(-2) ?? points[0]!, points.at(-1)!]
    const share = leg.leg === 'final' ? 0.75 : 0.5 // the gates on final lie in its middle
    const between = (from: number, to: number) => from + (to - from) * share
    return { ...leg, ...outward(at(between(a.along_ft, b.along_ft), between(a.lateral_ft, b.lateral_ft)), 18) }
  }),
)
const gates = computed(() =>
  props.pattern.gates.map((gate) => {
    const place = at(gate.along_ft, gate.lateral_ft)
    // inwards: the outside belongs to the legs
    return { ...gate, ...place, label: outward(place, gate.name === 'mid-base' ? -24 : -14) }
  }),
)
const inner: Record<string, 'start' | 'middle' | 'end'> = { start: 'end', end: 'start', middle: 'middle' }
interface Label {
  x: number
  y: number
  anchor: string
}
const LEG_LETTERS = 14 // `Downwind 225°` and a little
const GATE_LETTERS = 5
/** About where a label of so many letters lies on the sheet: left, right, top, bottom. */
function extent(label: Label, letters: number) {
  const wide = letters * 7.5
  const left = label.anchor === 'start' ? label.x : label.anchor === 'end' ? label.x - wide : label.x - wide / 2
  return [left, left + wide, label.y - 13, label.y + 4] as const
}
/** The first place beside a mark where its name lies on no leg's and no gate's. */
function clearOfLegs(place: { x: number; y: number }, letters: number): Label {
  const taken = [
    ...legs.value.map((leg) => extent(leg, LEG_LETTERS)),
    ...gates.value.map((gate) => extent({ ...gate.label, anchor: inner[gate.label.anchor]! }, GATE_LETTERS)),
  ]
  const places: Label[] = [
    outward(place, 14),
    { x: place.x, y: place.y + 20, anchor: 'middle' },
    { x: place.x, y: place.y - 20, anchor: 'middle' },
    { x: place.x - 12, y: place.y - 2, anchor: 'end' },
    { x: place.x + 12, y: place.y - 2, anchor: 'start' },
  ]
  const isFree = (label: Label) => {
    const [left, right, top, bottom] = extent(label, letters)
    return (
      left > 4 &&
      right < props.width - 4 &&
      !taken.some(([l, r, t, b]) => left < r && right > l && top < b && bottom > t)
    )
  }
  return places.find(isFree) ?? places[0]!
}
/** Ground marks near enough to be seen from the pattern; farther ones would shrink the map. */
const near = computed(() =>
  props.marks
    .map((mark) => {
      const place = at(mark.along_ft, mark.lateral_ft)
      return { ...mark, ...place, label: clearOfLegs(place, mark.name.length) }
    })
    .filter((mark) => mark.x > 20 && mark.x < props.width - 20 && mark.y > 20 && mark.y < props.height - 30),
)
/** Where the wind blows to, on the sheet, clockwise from up [rad]. */
const windTo = computed(() => {
  const from = props.pattern.wind_dir_deg_true
  if (from === null || props.pattern.wind_kt < 0.5) return null
  return ((from + 180 - (props.northUp ? 0 : props.runway.course_deg_true)) * Math.PI) / 180
})
const mile = computed(() => (0.5 * 1852) / 0.3048)
</script>

<template>
  <svg
    :viewBox="`0 0 ${width} ${height}`"
    :width="width"
    :height="height"
    class="block select-none"
    role="img"
    :aria-label="
      say('strip.pattern-for-runway-seen-from', {
        side: pattern.side,
        ident: runway.ident,
        north_up: northUp ? say('strip.north-up') : say('strip.runway-up'),
      })
    "
  >
    <path :d="`${draw(sector)}Z`" fill="var(--warn)" fill-opacity="0.16" stroke="var(--warn)" stroke-dasharray="5 4" />
    <line
      :x1="at(start, 0).x"
      :y1="at(start, 0).y"
      :x2="at(end, 0).x"
      :y2="at(end, 0).y"
      stroke="var(--tarmac)"
      :stroke-width="Math.max(8, runway.width_ft * scale)"
    />
    <line
      v-if="reach"
      :x1="at(reach[0], 0).x"
      :y1="at(reach[0], 0).y"
      :x2="at(reach[1], 0).x"
      :y2="at(reach[1], 0).y"
      stroke="var(--predict)"
      stroke-width="5"
    />
    <path :d="draw(track)" fill="none" stroke="var(--aim)" stroke-width="3" stroke-linejoin="round" />
    <g v-for="gate in gates" :key="gate.name" data-mark="gate">
      <circle :cx="gate.x" :cy="gate.y" r="5" fill="var(--card)" stroke="var(--ink)" stroke-width="2.5" />
      <text
        :x="gate.label.x"
        :y="gate.label.y"
        :text-anchor="inner[gate.label.anchor]"
        class="label halo"
        fill="var(--ink)"
      >
        {{ round(gate.altitude_ft, 10) }}
      </text>
    </g>
    <g v-for="mark in near" :key="mark.name" data-mark="ground-mark">
      <path
        :d="`M${mark.x} ${mark.y - 9} v9 M${mark.x - 6} ${mark.y} h12`"
        stroke="var(--pass-ink)"
        stroke-width="3"
        fill="none"
      />
      <circle :cx="mark.x" :cy="mark.y - 10" r="3.5" fill="var(--pass-ink)" />
      <text
        :x="mark.label.x"
        :y="mark.label.y"
        :text-anchor="mark.label.anchor"
        class="label halo"
        fill="var(--pass-ink)"
      >
        {{ mark.name }}
      </text>
    </g>
    <g v-for="leg in legs" :key="leg.leg">
      <text :x="leg.x" :y="leg.y" :text-anchor="leg.anchor" class="label halo" fill="var(--aim-ink)">
        {{ LEG_LABEL[leg.leg] }} {{ String(Math.round(leg.heading_deg_mag)).padStart(3, '0') }}°
      </text>
    </g>
    <g
      v-if="windTo !== null"
      :transform="`translate(${width - 54} 54) rotate(${(windTo * 180) / Math.PI})`"
      data-mark="wind"
    >
      <line x1="0" y1="28" x2="0" y2="-12" stroke="var(--ink)" stroke-width="4.5" />
      <path d="M-10 -10 L0 -30 L10 -10 Z" fill="var(--ink)" />
    </g>
    <text :x="width - 54" y="108" text-anchor="middle" class="label" fill="var(--ink)">
      {{ pattern.wind_is_known ? `${round(pattern.wind_kt)} kt` : say('common.wind-not-given') }}
    </text>
    <g :transform="`translate(14 ${height - 16})`">
      <path :d="`M0 -6 v6 h${mile * scale} v-6`" fill="none" stroke="var(--ink)" stroke-width="2" />
      <text :x="mile * scale + 8" y="2" class="label" fill="var(--ink)">
        ½ nm · {{ northUp ? say('strip.north-up') : say('strip.runway-up') }}
      </text>
    </g>
  </svg>
</template>

<style scoped>
.label {
  font-size: 14px;
  font-weight: 700;
}
.halo {
  paint-order: stroke;
  stroke: var(--card);
  stroke-width: 4px;
}
</style>
