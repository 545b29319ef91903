<script setup lang="ts">
/** The climb of a go-around by density altitude, as the handbook's table prints it: rows that can be added and taken away. */
import { say } from '@/said'
import type { AircraftSpec } from '@/api/types'
import Stepper from '@/components/Stepper.vue'

type Row = NonNullable<AircraftSpec['landing_climb_table']>[number]
const props = defineProps<{ mayChange: boolean }>()
const rows = defineModel<Row[]>({ required: true })
const MOST = 20
function change(at: number, changes: Partial<Row>) {
  rows.value = rows.value.map((row, i) => (i === at ? { ...row, ...changes } : row))
}
function add() {
  const last = rows.value.at(-1)
  rows.value = [
    ...rows.value,
    {
      density_altitude_ft: last ? last.density_altitude_ft + 2000 : 0,
      climb_fpm: last ? Math.max(-1000, last.climb_fpm - 100) : 450,
    },
  ]
}
</script>

<template>
  <fieldset class="space-y-2">
    <legend class="heading">{{ say('parts.climb-of-a-go-around') }}</legend>
    <p class="text-sm text-soft">
      {{ say('parts.from-the-handbooks-table-lowest') }}
    </p>
    <div v-for="(row, i) in rows" :key="i" class="grid grid-cols-[1fr_1fr_auto] items-end gap-2">
      <Stepper
        :model-value="row.density_altitude_ft"
        :label="say('parts.density-altitude-row', { i: i + 1 })"
        unit="ft"
        :min="-5000"
        :max="25000"
        :step="500"
        @update:model-value="change(i, { density_altitude_ft: $event ?? row.density_altitude_ft })"
      />
      <Stepper
        :model-value="row.climb_fpm"
        :label="say('parts.climb-row', { i: i + 1 })"
        unit="fpm"
        :min="-1000"
        :max="3000"
        :step="10"
        @update:model-value="change(i, { climb_fpm: $event ?? row.climb_fpm })"
      />
      <button
        v-if="props.mayChange"
        type="button"
        class="button"
        :aria-label="say('parts.take-row-away', { i: i + 1 })"
        @click="rows = rows.filter((_, at) => at !== i)"
      >
        ✕
      </button>
    </div>
    <button v-if="props.mayChange && rows.length < MOST" type="button" class="button" @click="add">
      {{ say('parts.add-a-row') }}
    </button>
  </fieldset>
</template>
