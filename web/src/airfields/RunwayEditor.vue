<script setup lang="ts">
/** One runway: surface, width, its two ends, their exits and patterns. */
import { say } from '@/said'
import { ref } from 'vue'
import RunwayEnds from '@/airfields/RunwayEnds.vue'
import { SURROUNDINGS, courseDeg, type End, exitsFrom, exitsText, lengthFt, type Runway } from '@/fields'
import { typedNumber } from '@/typed'
import { round } from '@/words'

const runway = defineModel<Runway>({ required: true })
defineProps<{ nth: number; isOnly: boolean; mayChange: boolean }>()
defineEmits<{ remove: [] }>()
/** What stands around a runway: the wind near the ground is less for it, at both ends. */
function surround(runway: Runway, value: string) {
  const chosen = SURROUNDINGS.find((one) => one === value) ?? 'open'
  for (const end of runway.ends) end.surroundings = chosen
}
const exitProblem = ref('')
function setExits(end: End, event: Event) {
  const text = (event.target as HTMLInputElement).value
  const exits = exitsFrom(text)
  exitProblem.value = exits === null ? say('fields.is-not-a-list-of', { text }) : ''
  if (exits !== null) end.exits = exits
}
const SURFACES = ['asphalt', 'concrete', 'grass', 'gravel', 'unknown'] as const
</script>

<template>
  <section class="panel space-y-2" :aria-label="say('fields.runway', { nth })">
    <div class="flex flex-wrap items-center gap-2">
      <h3 class="flex-1 text-lg font-bold">
        {{ say('fields.runway-named', { ident: runway.ends.map((end) => end.ident).join('/') }) }}
      </h3>
      <label class="flex items-center gap-2 text-sm"
        >{{ say('fields.surface') }}
        <select v-model="runway.surface" class="field !w-32">
          <option v-for="one in SURFACES" :key="one" :value="one">{{ one }}</option>
        </select>
      </label>
      <label class="flex items-center gap-2 text-sm"
        >{{ say('fields.around-it') }}
        <select
          class="field !w-32"
          :value="runway.ends[0].surroundings"
          @change="surround(runway, ($event.target as HTMLSelectElement).value)"
        >
          <option v-for="one in SURROUNDINGS" :key="one" :value="one">{{ one }}</option>
        </select>
      </label>
      <label class="flex items-center gap-2 text-sm"
        >{{ say('fields.width-ft') }}
        <input v-model.number="runway.width_ft" class="field figure !w-24" type="number" step="any"
      /></label>
      <button v-if="mayChange" type="button" class="button" :disabled="isOnly" @click="$emit('remove')">
        {{ say('common.remove') }}
      </button>
    </div>
    <RunwayEnds v-model="runway" :nth="nth" />
    <div class="grid gap-2 sm:grid-cols-2">
      <label v-for="(end, e) in runway.ends" :key="e" class="text-sm"
        >{{ say('fields.exits-when-landing-on-name', { ident: end.ident }) }}
        <input
          class="field figure"
          maxlength="200"
          placeholder="A 900, B 1600"
          :value="exitsText(end.exits)"
          :disabled="!mayChange"
          @change="setExits(end, $event)"
        />
      </label>
    </div>
    <div class="grid gap-2 sm:grid-cols-2">
      <fieldset v-for="(end, e) in runway.ends" :key="e" class="flex flex-wrap gap-2 text-sm">
        <legend>{{ say('fields.pattern-of-where-the-field', { ident: end.ident }) }}</legend>
        <label
          >{{ say('fields.spacing-nm') }}
          <input
            class="field figure !w-24"
            type="number"
            step="any"
            :placeholder="say('common.usual')"
            :value="end.pattern_spacing_nm ?? ''"
            @change="end.pattern_spacing_nm = typedNumber($event)"
          />
        </label>
        <label
          >{{ say('fields.base-to-final') }}
          <input v-model.number="end.base_angle_deg" class="field figure !w-24" type="number" step="any" />
        </label>
        <label
          >{{ say('fields.downwind-flown-on-s') }}
          <input v-model.number="end.downwind_extension_s" class="field figure !w-24" type="number" step="any" />
        </label>
      </fieldset>
    </div>
    <p v-if="exitProblem" role="alert" class="font-bold text-fail-ink">{{ exitProblem }}</p>
    <p class="text-sm text-soft">
      {{
        say('fields.the-ends-of-the-pavement', { runway: round(lengthFt(runway)), runway_2: round(courseDeg(runway)) })
      }}
    </p>
  </section>
</template>
