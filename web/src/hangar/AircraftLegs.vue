<script setup lang="ts">
/** Speed, flap and power of each leg of the pattern. */
import { say } from '@/said'
import type { AircraftSpec } from '@/api/types'

const draft = defineModel<AircraftSpec>({ required: true })
const LEGS = ['climb', 'downwind', 'abeam', 'base', 'final'] as const
function addLadder() {
  const flap = draft.value.flaps[0]?.name ?? 'up'
  draft.value.ladder = Object.fromEntries(
    LEGS.map((leg) => [leg, { kias: null, flap, power: '' }]),
  ) as unknown as AircraftSpec['ladder']
}
</script>

<template>
  <section class="panel space-y-3" :aria-label="say('hangar.speeds-of-the-legs')">
    <h3 class="font-bold">{{ say('hangar.speeds-of-the-legs') }}</h3>
    <button v-if="!draft.ladder" type="button" class="button" @click="addLadder">{{ say('hangar.enter-them') }}</button>
    <div
      v-for="leg in draft.ladder ? LEGS : []"
      :key="leg"
      class="grid grid-cols-2 items-center gap-2 sm:grid-cols-[5.5rem_5rem_1fr_1.3fr]"
    >
      <span class="font-bold capitalize">{{ leg }}</span>
      <input
        v-model.number="draft.ladder![leg].kias"
        class="field figure"
        type="number"
        step="any"
        :aria-label="say('hangar.kias', { leg })"
      />
      <select v-model="draft.ladder![leg].flap" class="field" :aria-label="say('hangar.leg-flap', { leg })">
        <option v-for="flap in draft.flaps" :key="flap.name" :value="flap.name">
          {{ say('hangar.flap-named', { name: flap.name }) }}
        </option>
      </select>
      <input
        v-model="draft.ladder![leg].power"
        class="field"
        maxlength="80"
        :aria-label="say('hangar.power-reference', { leg })"
      />
    </div>
    <p class="text-sm text-soft">{{ say('hangar.power-is-where-to-start') }}</p>
  </section>
</template>
