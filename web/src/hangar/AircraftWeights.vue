<script setup lang="ts">
/** Name, weights, cues and the climb of a go-around, as the handbook prints them. */
import { say } from '@/said'
import type { AircraftSpec } from '@/api/types'
import ClimbRows from '@/components/ClimbRows.vue'
import Stepper from '@/components/Stepper.vue'

const draft = defineModel<AircraftSpec>({ required: true })
defineProps<{ fields: Record<string, string>; mayChange: boolean }>()
</script>

<template>
  <div class="space-y-3">
    <div>
      <label for="name" class="heading">{{ say('common.name') }}</label>
      <input id="name" v-model="draft.name" class="field" maxlength="80" required />
    </div>
    <div>
      <label for="callsign" class="heading">{{ say('hangar.call-sign-as-said-on') }}</label>
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
        :label="say('hangar.maximum-weight')"
        unit="lb"
        :min="1"
        :max="20000"
        :step="10"
        :error="fields['spec.max_weight_lb']"
      />
      <Stepper
        v-model="draft.empty_weight_lb as number"
        :label="say('hangar.empty-weight')"
        unit="lb"
        :min="1"
        :max="20000"
        :step="10"
        :error="fields['spec.empty_weight_lb']"
      />
      <Stepper
        :model-value="draft.demonstrated_crosswind_kt ?? null"
        :label="say('hangar.crosswind-shown')"
        :hint="say('hangar.left-empty-a-fifth-of')"
        unit="kt"
        :min="1"
        :max="60"
        :start="12"
        :empty-word="say('hangar.silent')"
        @update:model-value="draft.demonstrated_crosswind_kt = $event"
      />
      <Stepper
        :model-value="draft.fuel_burn_gph ?? null"
        :label="say('hangar.fuel-burn-in-the-pattern')"
        unit="gph"
        :min="1"
        :max="100"
        :start="8"
        :digits="1"
        :empty-word="say('common.unknown')"
        @update:model-value="draft.fuel_burn_gph = $event"
      />
      <Stepper
        :model-value="draft.blind_distance_ft ?? null"
        :label="say('hangar.hidden-by-the-nose')"
        unit="ft"
        :min="0"
        :max="300"
        :start="40"
        :empty-word="say('hangar.enter')"
        @update:model-value="draft.blind_distance_ft = $event as number"
      />
      <Stepper
        :model-value="draft.eye_height_ft ?? null"
        :label="say('hangar.eyes-above-the-wheels')"
        unit="ft"
        :min="1"
        :max="30"
        :step="0.5"
        :digits="1"
        :start="7.5"
        :empty-word="say('hangar.enter')"
        @update:model-value="draft.eye_height_ft = $event as number"
      />
      <Stepper
        :model-value="draft.wing_mark_angle_deg ?? null"
        :label="say('hangar.wing-or-strut-mark-below')"
        unit="°"
        :min="0"
        :max="60"
        :start="12"
        :empty-word="say('common.none')"
        @update:model-value="draft.wing_mark_angle_deg = $event"
      />
      <Stepper
        :model-value="draft.deceleration_fps2 ?? null"
        :label="say('hangar.slowing-in-the-float')"
        :hint="say('hangar.left-empty-it-follows-from')"
        unit="ft/s²"
        :min="0.6"
        :max="12"
        :step="0.1"
        :digits="1"
        :start="3.2"
        :empty-word="say('hangar.glide')"
        @update:model-value="draft.deceleration_fps2 = $event"
      />
      <Stepper
        :model-value="draft.span_ft ?? null"
        :label="say('hangar.wing-span')"
        unit="ft"
        :min="11"
        :max="200"
        :step="0.5"
        :digits="1"
        :start="34"
        :empty-word="say('common.unknown')"
        @update:model-value="draft.span_ft = $event"
      />
      <Stepper
        :model-value="draft.wing_height_ft ?? null"
        :label="say('hangar.wing-above-the-wheels')"
        unit="ft"
        :min="0.5"
        :max="30"
        :step="0.5"
        :digits="1"
        :start="draft.wing === 'low' ? 3 : 7"
        :empty-word="say('common.usual')"
        @update:model-value="draft.wing_height_ft = $event"
      />
      <Stepper
        :model-value="draft.landing_climb_fpm ?? null"
        :label="say('hangar.climb-with-flap-full-and')"
        unit="fpm"
        :min="10"
        :max="3000"
        :step="10"
        :start="350"
        :empty-word="say('common.unknown')"
        @update:model-value="draft.landing_climb_fpm = $event"
      />
      <Stepper
        :model-value="draft.landing_climb_at_ft ?? 0"
        :label="say('hangar.density-altitude-of-that-climb')"
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
