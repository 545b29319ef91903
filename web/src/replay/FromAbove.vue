<script setup lang="ts">
/** The laps from above, to scale, runway up: as flown over the pattern as planned. */
import { say } from '@/said'
import { computed } from 'vue'
import type { Pattern, Replay } from '@/api/types'
import { landingLength, pavedStart } from '@/strip/places'
import CursorDots from './CursorDots.vue'
import { line, pathOf, valueAt } from './lap'

const props = defineProps<{ laps: readonly Replay[]; pattern: Pattern | null; width: number; height: number }>()
const PAD = 26
const first = computed(() => props.laps[0]!)
const box = computed(() => {
  const across = props.laps.flatMap((lap) => lap.lateral_ft)
  const along = props.laps.flatMap((lap) => lap.along_ft)
  for (const point of props.pattern?.path ?? []) {
    across.push(point.lateral_ft)
    along.push(point.along_ft)
  }
  across.push(-600, 600)
  along.push(pavedStart(first.value.runway), first.value.runway.length_ft)
  const least = (values: number[]) => values.reduce((a, b) => Math.min(a, b))
  const most = (values: number[]) => values.reduce((a, b) => Math.max(a, b))
  return { left: least(across), right: most(across), low: least(along), high: most(along) }
})
const scale = computed(() =>
  Math.min(
    (props.width - 2 * PAD) / (box.value.right - box.value.left),
    (props.height - 2 * PAD) / (box.value.high - box.value.low),
  ),
)
const x = (lateral: number) => props.width / 2 + (lateral - (box.value.left + box.value.right) / 2) * scale.value
const y = (along: number) => props.height / 2 - (along - (box.value.low + box.value.high) / 2) * scale.value
const paths = computed(() => props.laps.map((lap) => pathOf(lap, (k) => [x(lap.lateral_ft[k]!), y(lap.along_ft[k]!)])))
const planned = computed(() =>
  (props.pattern?.path ?? [])
    .map((p, i) => `${i ? 'L' : 'M'}${x(p.lateral_ft).toFixed(1)} ${y(p.along_ft).toFixed(1)}`)
    .join(''),
)
const half = computed(() => (0.5 * 1852) / 0.3048)
const pavedEnd = computed(() => landingLength(first.value.runway))
function place(lap: Replay, time: number) {
  const [along, lateral] = [valueAt(lap, 'along_ft', time), valueAt(lap, 'lateral_ft', time)]
  return along === null || lateral === null ? null : ([x(lateral), y(along)] as const)
}
</script>

<template>
  <svg
    :viewBox="`0 0 ${width} ${height}`"
    :width="width"
    :height="height"
    class="block select-none"
    role="img"
    :aria-label="
      say('replay.ground-track-of-lap-runway', {
        number: laps.map((lap) => lap.number).join(', '),
        ident: first.runway.ident,
      })
    "
  >
    <line
      v-for="(one, k) in first.others"
      :key="k"
      :x1="x(one.begins[1]!)"
      :y1="y(one.begins[0]!)"
      :x2="x(one.ends[1]!)"
      :y2="y(one.ends[0]!)"
      stroke="var(--line)"
      :stroke-width="Math.max(5, one.width_ft * scale)"
    />
    <line
      :x1="x(0)"
      :x2="x(0)"
      :y1="y(pavedStart(first.runway))"
      :y2="y(pavedEnd)"
      stroke="var(--tarmac)"
      :stroke-width="Math.max(7, first.runway.width_ft * scale)"
    />
    <path
      v-if="pattern"
      :d="planned"
      fill="none"
      stroke="var(--aim)"
      stroke-width="2"
      stroke-dasharray="6 5"
      data-mark="planned"
    />
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
    <CursorDots :laps="laps" :place="place" />
    <g :transform="`translate(10 ${height - 12})`">
      <path :d="`M0 -6 v6 h${half * scale} v-6`" fill="none" stroke="var(--ink)" stroke-width="2" />
      <text :x="half * scale + 8" y="1" class="words" fill="var(--ink)">½ nm</text>
    </g>
    <g v-if="pattern" :transform="`translate(${width - 12} ${height - 12})`">
      <line x1="-92" x2="-62" y1="-4" y2="-4" stroke="var(--aim)" stroke-width="2" stroke-dasharray="6 5" />
      <text x="0" y="1" text-anchor="end" class="words" fill="var(--aim-ink)">{{ say('common.planned') }}</text>
    </g>
  </svg>
</template>

<style scoped>
.words {
  font-size: 14px;
  font-weight: 700;
}
</style>
