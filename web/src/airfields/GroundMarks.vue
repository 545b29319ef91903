<script setup lang="ts">
/** What a pilot points at on the ground: where it is, and on which leg it is used. */
import { say } from '@/said'
import type { Field } from '@/fields'

const field = defineModel<Field>({ required: true })
defineProps<{ mayChange: boolean }>()
const USES = ['downwind', 'base', 'final', 'go_around', 'other'] as const
/** A new mark begins at the first runway, where the map shows it. */
function pin() {
  const end = field.value.runways[0]?.ends[0]
  field.value.marks.push({ name: '', lat: end?.lat ?? null, lon: end?.lon ?? null, use: 'base' })
}
</script>

<template>
  <section class="panel space-y-2" :aria-label="say('fields.ground-marks')">
    <h3 class="font-bold">{{ say('fields.ground-marks-what-you-point') }}</h3>
    <div
      v-for="(mark, m) in field.marks"
      :key="m"
      class="grid grid-cols-2 gap-2 sm:grid-cols-[1fr_7rem_7rem_7rem_auto]"
    >
      <input
        v-model="mark.name"
        class="field"
        maxlength="80"
        :placeholder="say('fields.clearing-in-the-wood')"
        :aria-label="say('fields.mark-name', { m: m + 1 })"
      />
      <input
        v-model.number="mark.lat"
        class="field figure"
        type="number"
        step="any"
        :aria-label="say('fields.mark-latitude', { m: m + 1 })"
      />
      <input
        v-model.number="mark.lon"
        class="field figure"
        type="number"
        step="any"
        :aria-label="say('fields.mark-longitude', { m: m + 1 })"
      />
      <select v-model="mark.use" class="field" :aria-label="say('fields.mark-used-on', { m: m + 1 })">
        <option v-for="use in USES" :key="use" :value="use">{{ use.replace('_', '-') }}</option>
      </select>
      <button
        type="button"
        class="button !px-3"
        :aria-label="say('fields.remove-mark', { m: m + 1 })"
        @click="field.marks.splice(m, 1)"
      >
        ×
      </button>
    </div>
    <button v-if="mayChange" type="button" class="button" @click="pin()">{{ say('fields.pin-a-mark') }}</button>
  </section>
</template>
