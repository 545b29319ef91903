<script setup lang="ts">
/** A runway to scale with its paint, as part of a drawing: threshold, number, stripes, aiming marks, displaced part. */
import type { ScaleLinear } from 'd3-scale'
import { computed } from 'vue'
import type { Runway } from '@/api/types'
import { aimingMarks, clamp, hasPaint, landingLength, numberPlace, pavedStart, stripes } from './places'

const props = defineProps<{ runway: Runway; x: ScaleLinear<number, number>; top: number; height: number }>()
const end = computed(() => landingLength(props.runway))
const middle = computed(() => props.top + props.height / 2)
const marks = computed(() => aimingMarks(props.runway))
</script>

<template>
  <g>
    <rect
      :x="x(pavedStart(runway))"
      :y="top"
      :width="Math.max(0, x(end) - x(pavedStart(runway)))"
      :height="height"
      :fill="hasPaint(runway) ? 'var(--tarmac)' : 'var(--grass)'"
    />
    <line :x1="x(0)" :x2="x(0)" :y1="top" :y2="top + height" stroke="var(--paint)" stroke-width="4" />
    <g v-if="runway.displaced_threshold_ft">
      <path
        v-for="n in 3"
        :key="n"
        :d="`M${x((-runway.displaced_threshold_ft * n) / 3.5) - 6} ${middle - 7} l10 7 l-10 7`"
        fill="none"
        stroke="var(--paint)"
        stroke-width="2.5"
      />
    </g>
    <rect
      v-for="stripe in stripes(runway)"
      :key="stripe.from"
      :x="x(stripe.from)"
      :y="middle - 2"
      :width="x(stripe.to) - x(stripe.from)"
      height="4"
      fill="var(--paint)"
    />
    <template v-if="hasPaint(runway)">
      <text
        :transform="`translate(${(x(numberPlace.from) + x(numberPlace.to)) / 2} ${middle}) rotate(90)`"
        text-anchor="middle"
        dominant-baseline="central"
        class="figure"
        :font-size="clamp(x(numberPlace.to) - x(numberPlace.from), 14, 40)"
        fill="var(--paint)"
      >
        {{ runway.ident }}
      </text>
    </template>
    <template v-if="marks">
      <rect
        v-for="side in [-1, 1]"
        :key="side"
        :x="x(marks.from)"
        :y="middle + side * height * 0.27 - height * 0.08"
        :width="x(marks.to) - x(marks.from)"
        :height="height * 0.16"
        fill="var(--paint)"
      />
    </template>
  </g>
</template>
