<script setup lang="ts">
/** What an aircraft is fitted with, and the speeds that are read from its handbook. */
import { say } from '@/said'
import { computed } from 'vue'
import type { AircraftSpec } from '@/api/types'
import Stepper from '@/components/Stepper.vue'

const draft = defineModel<AircraftSpec>({ required: true })
type About = Required<NonNullable<AircraftSpec['particulars']>>
const PLAIN: About = {
  registration: null,
  undercarriage: 'nosewheel',
  has_carburettor_heat: null,
  propeller: 'fixed',
  gear_limit_kias: null,
  slats_out_kias: null,
  angle_of_attack_target: null,
}
const about = computed<About>(() => ({ ...PLAIN, ...draft.value.particulars }))
function setAbout(part: Partial<About>) {
  draft.value.particulars = { ...about.value, ...part }
}
const picked = (event: Event) => (event.target as HTMLInputElement | HTMLSelectElement).value
const SPEEDS = [
  ['rotate_kias', say('hangar.rotate')],
  ['vx_kias', say('hangar.vx')],
  ['vy_kias', say('hangar.vy')],
  ['best_glide_kias', say('hangar.best-glide')],
] as const
</script>

<template>
  <div class="space-y-3">
    <div class="grid grid-cols-2 gap-3">
      <label class="flex min-h-11 items-center gap-2 font-bold"
        ><input v-model="draft.is_retractable" type="checkbox" class="h-6 w-6" />{{
          say('hangar.retractable-gear')
        }}</label
      >
      <Stepper
        v-if="draft.is_retractable"
        :model-value="about.gear_limit_kias ?? null"
        :label="say('hangar.gear-limit')"
        unit="KIAS"
        :min="1"
        :max="250"
        :start="120"
        :empty-word="say('common.unknown')"
        @update:model-value="setAbout({ gear_limit_kias: $event })"
      />
      <label>
        <span class="heading">{{ say('hangar.stands-on') }}</span>
        <select
          class="field"
          :value="about.undercarriage"
          @change="setAbout({ undercarriage: picked($event) as About['undercarriage'] })"
        >
          <option value="nosewheel">{{ say('hangar.a-nosewheel') }}</option>
          <option value="tailwheel">{{ say('hangar.a-tailwheel') }}</option>
        </select>
      </label>
      <label>
        <span class="heading">{{ say('hangar.propeller') }}</span>
        <select
          class="field"
          :value="about.propeller"
          @change="setAbout({ propeller: picked($event) as About['propeller'] })"
        >
          <option value="fixed">{{ say('hangar.fixed') }}</option>
          <option value="variable">{{ say('hangar.variable-with-a-lever') }}</option>
        </select>
      </label>
      <label>
        <span class="heading">{{ say('hangar.carburettor-heat') }}</span>
        <select
          class="field"
          :value="String(about.has_carburettor_heat)"
          @change="setAbout({ has_carburettor_heat: picked($event) === 'null' ? null : picked($event) === 'true' })"
        >
          <option value="null">{{ say('common.not-known') }}</option>
          <option value="true">{{ say('hangar.fitted') }}</option>
          <option value="false">{{ say('common.none') }}</option>
        </select>
      </label>
      <Stepper
        :model-value="about.slats_out_kias ?? null"
        :label="say('hangar.slats-come-out-at')"
        unit="KIAS"
        :min="1"
        :max="250"
        :start="50"
        :empty-word="say('common.none')"
        @update:model-value="setAbout({ slats_out_kias: $event })"
      />
    </div>
    <label>
      <span class="heading">{{ say('hangar.angle-of-attack-on-final') }}</span>
      <input
        class="field"
        maxlength="80"
        :placeholder="say('hangar.the-upper-edge-of-the')"
        :value="about.angle_of_attack_target ?? ''"
        @change="setAbout({ angle_of_attack_target: picked($event) || null })"
      />
    </label>
    <label class="block">
      <span class="heading">{{ say('hangar.registration-for-the-logbook') }}</span>
      <input
        class="field"
        :placeholder="say('hangar.asked-each-time')"
        maxlength="80"
        :value="about.registration ?? ''"
        @change="setAbout({ registration: picked($event) || null })"
      />
    </label>
    <label class="flex min-h-11 items-center gap-2 font-bold"
      >{{ say('hangar.wing') }}
      <select v-model="draft.wing" class="field !w-28">
        <option value="high">{{ say('hangar.high') }}</option>
        <option value="low">{{ say('hangar.low') }}</option>
      </select>
    </label>
    <div class="grid grid-cols-2 gap-3">
      <Stepper
        v-for="[field, label] in SPEEDS"
        :key="field"
        :model-value="draft[field] ?? null"
        :label="label"
        unit="KIAS"
        :min="1"
        :max="250"
        :start="70"
        :empty-word="say('common.unknown')"
        @update:model-value="draft[field] = $event"
      />
    </div>
  </div>
</template>
