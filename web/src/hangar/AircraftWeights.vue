<script setup lang="ts">
/** Name, weights, cues and the climb of a go-around, as the handbook prints them. */
import type { AircraftSpec } from '@/api/types'
import ClimbRows from '@/components/ClimbRows.vue'
import Stepper from '@/components/Stepper.vue'

const draft = defineModel<AircraftSpec>({ required: true })
defineProps<{ fields: Record<string, string>; mayChange: boolean }>()
</script>

<template>
  <div class="space-y-3">
    <div>
      <label for="name" class="heading">Name</label>
      <input id="name" v-model="draft.name" class="field" maxlength="80" required />
    </div>
    <div>
      <label for="callsign" class="heading">Call sign, as said on the radio</label>
      <input
        id="callsign"
        class="field"
        maxlength="40"
        :value="draft.callsign ?? ''"
        @change="draft.callsign = ($event.target as HTMLInputElement).value || null"
      />
    </div>
    <div class="grid grid-cols-2 gap-3">
      <Stepper
        v-model="draft.max_weight_lb as number"
        label="Maximum weight"
        unit="lb"
        :min="1"
        :max="20000"
        :step="10"
        :error="fields['spec.max_weight_lb']"
      />
      <Stepper
        v-model="draft.empty_weight_lb as number"
        label="Empty weight"
        unit="lb"
        :min="1"
        :max="20000"
        :step="10"
        :error="fields['spec.empty_weight_lb']"
      />
      <Stepper
        :model-value="draft.demonstrated_crosswind_kt ?? null"
        label="Crosswind shown"
        hint="Left empty, a fifth of the stalling speed with full flap stands for it."
        unit="kt"
        :min="1"
        :max="60"
        :start="12"
        empty-word="silent"
        @update:model-value="draft.demonstrated_crosswind_kt = $event"
      />
      <Stepper
        :model-value="draft.fuel_burn_gph ?? null"
        label="Fuel burn in the pattern"
        unit="gph"
        :min="1"
        :max="100"
        :start="8"
        :digits="1"
        empty-word="unknown"
        @update:model-value="draft.fuel_burn_gph = $event"
      />
      <Stepper
        :model-value="draft.blind_distance_ft ?? null"
        label="Hidden by the nose"
        unit="ft"
        :min="0"
        :max="300"
        :start="40"
        empty-word="enter"
        @update:model-value="draft.blind_distance_ft = $event as number"
      />
      <Stepper
        :model-value="draft.eye_height_ft ?? null"
        label="Eyes above the wheels"
        unit="ft"
        :min="1"
        :max="30"
        :step="0.5"
        :digits="1"
        :start="7.5"
        empty-word="enter"
        @update:model-value="draft.eye_height_ft = $event as number"
      />
      <Stepper
        :model-value="draft.wing_mark_angle_deg ?? null"
        label="Wing or strut mark below the horizon"
        unit="°"
        :min="0"
        :max="60"
        :start="12"
        empty-word="none"
        @update:model-value="draft.wing_mark_angle_deg = $event"
      />
      <Stepper
        :model-value="draft.deceleration_fps2 ?? null"
        label="Slowing in the float"
        hint="Left empty, it follows from the glide."
        unit="ft/s²"
        :min="0.6"
        :max="12"
        :step="0.1"
        :digits="1"
        :start="3.2"
        empty-word="glide"
        @update:model-value="draft.deceleration_fps2 = $event"
      />
      <Stepper
        :model-value="draft.span_ft ?? null"
        label="Wing span"
        unit="ft"
        :min="11"
        :max="200"
        :step="0.5"
        :digits="1"
        :start="34"
        empty-word="unknown"
        @update:model-value="draft.span_ft = $event"
      />
      <Stepper
        :model-value="draft.wing_height_ft ?? null"
        label="Wing above the wheels"
        unit="ft"
        :min="0.5"
        :max="30"
        :step="0.5"
        :digits="1"
        :start="draft.wing === 'low' ? 3 : 7"
        empty-word="usual"
        @update:model-value="draft.wing_height_ft = $event"
      />
      <Stepper
        :model-value="draft.landing_climb_fpm ?? null"
        label="Climb with flap full and gear down, laden"
        unit="fpm"
        :min="10"
        :max="3000"
        :step="10"
        :start="350"
        empty-word="unknown"
        @update:model-value="draft.landing_climb_fpm = $event"
      />
      <Stepper
        :model-value="draft.landing_climb_at_ft ?? 0"
        label="Density altitude of that climb"
        unit="ft"
        :min="-5000"
        :max="25000"
        :step="500"
        @update:model-value="draft.landing_climb_at_ft = $event ?? 0"
      />
    </div>
    <ClimbRows
      :model-value="draft.landing_climb_table ?? []"
      :may-change="mayChange"
      @update:model-value="draft.landing_climb_table = $event"
    />
  </div>
</template>
