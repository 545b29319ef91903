<script setup lang="ts">
/** A performance table: pasted from a spreadsheet, checked cell by cell, and drawn. */
import { say } from '@/said'
import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { computed, ref } from 'vue'
import { api } from '@/api/calls'
import type { AircraftSpec } from '@/api/types'
import { round } from '@/words'

type Landing = NonNullable<AircraftSpec['landing_table']>
type Takeoff = NonNullable<AircraftSpec['takeoff_table']>
const props = defineProps<{ kind: 'landing' | 'takeoff'; mayChange: boolean }>()
const table = defineModel<Landing | Takeoff | null>({ required: true })
const text = ref('')
const problem = ref('')
async function read() {
  problem.value = ''
  try {
    const found = await api.readTable(props.kind, text.value)
    table.value = (props.kind === 'landing' ? found.landing : found.takeoff) ?? null
    text.value = ''
  } catch (error) {
    problem.value = error instanceof Error ? error.message : say('parts.not-read')
  }
}
/** Ground roll by temperature, a line for each pressure altitude, at the heaviest weight. */
const curves = computed(() => {
  const now = table.value
  if (!now) return []
  return now.pressure_altitude_ft.map((altitude, i) => ({
    altitude,
    feet: now.temperature_c.map((_, j) => {
      const cell = now.ground_roll_ft[i]?.[j]
      return (Array.isArray(cell) ? cell.at(-1) : cell) ?? 0
    }),
  }))
})
const hasWhole = computed(() => !!table.value?.over_50_ft_ft)
const W = 340
const H = 170
const x = computed(() =>
  scaleLinear([table.value?.temperature_c[0] ?? 0, table.value?.temperature_c.at(-1) ?? 1], [46, W - 62]),
)
const y = computed(() => scaleLinear([0, Math.max(1, ...curves.value.flatMap((one) => one.feet))], [H - 24, 10]))
const path = (feet: number[]) =>
  line<number>(
    (_, i) => x.value(table.value?.temperature_c[i] ?? 0),
    (value) => y.value(value),
  )(feet) ?? ''
const ticks = computed(() => y.value.ticks(4))
</script>

<template>
  <div class="space-y-2">
    <p class="heading">
      {{
        kind === 'landing'
          ? say('parts.landing-ground-roll', { has_whole: hasWhole ? ' ' + say('parts.and-over-50-ft') : '' })
          : say('parts.takeoff-ground-roll-and-over')
      }}
    </p>
    <svg
      v-if="table"
      :viewBox="`0 0 ${W} ${H}`"
      class="w-full max-w-md"
      role="img"
      :aria-label="say('parts.ground-roll-by-temperature-pressure', { curves: curves.length })"
    >
      <g v-for="tick in ticks" :key="tick">
        <line :x1="46" :x2="W - 62" :y1="y(tick)" :y2="y(tick)" stroke="var(--line)" />
        <text x="42" :y="y(tick) + 4" text-anchor="end" font-size="11" fill="var(--ink-soft)">{{ round(tick) }}</text>
      </g>
      <text
        v-for="t in table.temperature_c"
        :key="t"
        :x="x(t)"
        :y="H - 8"
        text-anchor="middle"
        font-size="11"
        fill="var(--ink-soft)"
      >
        {{ t }}°
      </text>
      <g v-for="curve in curves" :key="curve.altitude">
        <path :d="path(curve.feet)" fill="none" stroke="var(--aim)" stroke-width="2" />
        <text
          v-if="curve === curves[0] || curve === curves.at(-1)"
          :x="W - 58"
          :y="y(curve.feet.at(-1) ?? 0) + 4"
          font-size="11"
          fill="var(--aim-ink)"
        >
          {{ round(curve.altitude) }} ft
        </text>
      </g>
    </svg>
    <p v-else class="text-sm">{{ say('parts.none-yet-distances-stay-unknown') }}</p>
    <template v-if="mayChange">
      <label class="block text-sm" :for="`paste-${kind}`">
        {{
          kind === 'landing'
            ? say('parts.paste-from-a-spreadsheet-temperatures')
            : say('parts.paste-from-a-spreadsheet-one')
        }}
      </label>
      <textarea
        :id="`paste-${kind}`"
        v-model="text"
        class="field figure !text-sm"
        rows="4"
        spellcheck="false"
        :aria-invalid="!!problem"
      />
      <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
      <div class="flex gap-2">
        <button type="button" class="button" :disabled="!text.trim()" @click="read">
          {{ say('parts.read-the-table') }}
        </button>
        <button v-if="table" type="button" class="button" @click="table = null">{{ say('parts.take-it-away') }}</button>
      </div>
    </template>
  </div>
</template>
