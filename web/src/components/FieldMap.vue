<script setup lang="ts">
/** A field from above, north up, as its editor holds it. */
import { say } from '@/said'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'
import { eastNorth, type Field } from '@/fields'

const props = defineProps<{ field: Field }>()
const W = 560
const H = 260
const places = computed(() => {
  const origin = props.field.runways[0]?.ends[0] ?? { lat: 0, lon: 0 }
  const runways = props.field.runways.map((one) => ({
    ...one,
    places: one.ends.map((end) => ({ ident: end.ident, at: eastNorth(origin, end) })),
  }))
  const marks = props.field.marks.map((mark) => ({ ...mark, at: eastNorth(origin, mark) }))
  return { runways, marks }
})
const view = computed(() => {
  const all = [
    ...places.value.runways.flatMap((one) => one.places.map((end) => end.at)),
    ...places.value.marks.map((mark) => mark.at),
  ]
  const [xs, ys] = [all.map((at) => at[0]), all.map((at) => at[1])]
  const [left, right, low, high] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const scale = Math.min((W - 120) / Math.max(1, right - left), (H - 90) / Math.max(1, high - low), 1)
  const [midX, midY] = [(left + right) / 2, (low + high) / 2]
  return {
    scale,
    x: scaleLinear([midX, midX + 1], [W / 2, W / 2 + scale]),
    y: scaleLinear([midY, midY + 1], [H / 2 - 10, H / 2 - 10 - scale]),
  }
})
const broken = computed(() => ![view.value.scale, view.value.x(0), view.value.y(0)].every(Number.isFinite))
</script>

<template>
  <section class="panel" :aria-label="say('parts.the-field-from-above')">
    <p v-if="broken">{{ say('parts.a-coordinate-is-missing') }}</p>
    <svg
      v-else
      :viewBox="`0 0 ${W} ${H}`"
      class="mx-auto w-full max-w-2xl"
      role="img"
      :aria-label="say('parts.from-above-north-up', { name: field.name })"
    >
      <g v-for="(one, i) in places.runways" :key="i">
        <line
          :x1="view.x(one.places[0]!.at[0])"
          :y1="view.y(one.places[0]!.at[1])"
          :x2="view.x(one.places[1]!.at[0])"
          :y2="view.y(one.places[1]!.at[1])"
          :stroke="one.surface === 'grass' ? 'var(--grass)' : 'var(--tarmac)'"
          :stroke-width="Math.max(8, one.width_ft * view.scale)"
        />
        <text
          v-for="end in one.places"
          :key="end.ident"
          text-anchor="middle"
          dominant-baseline="central"
          class="figure"
          font-size="16"
          font-weight="700"
          fill="var(--ink)"
          :x="
            view.x(end.at[0]) +
            Math.sign(view.x(end.at[0]) - view.x((one.places[0]!.at[0] + one.places[1]!.at[0]) / 2)) * 20
          "
          :y="
            view.y(end.at[1]) +
            Math.sign(view.y(end.at[1]) - view.y((one.places[0]!.at[1] + one.places[1]!.at[1]) / 2)) * 16
          "
        >
          {{ end.ident }}
        </text>
      </g>
      <g v-for="mark in places.marks" :key="mark.name">
        <circle :cx="view.x(mark.at[0])" :cy="view.y(mark.at[1])" r="5" fill="var(--pass-ink)" />
        <text
          :x="view.x(mark.at[0])"
          :y="view.y(mark.at[1]) + 18"
          text-anchor="middle"
          font-size="13"
          fill="var(--pass-ink)"
        >
          {{ mark.name }}
        </text>
      </g>
      <path :d="`M16 ${H - 14} v6 h${1000 * view.scale} v-6`" fill="none" stroke="var(--ink)" stroke-width="2" />
      <text :x="22 + 1000 * view.scale" :y="H - 6" font-size="13" fill="var(--ink)">
        {{ say('parts.n-1-000-ft-north-up') }}
      </text>
    </svg>
  </section>
</template>
