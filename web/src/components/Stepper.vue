<script setup lang="ts">
/** A number with its unit: typed, stepped with two buttons, or slid where there is room. */
import { say } from '@/said'
import { computed } from 'vue'
import { clamp, snap } from '@/strip/places'

const props = withDefaults(
  defineProps<{
    label: string
    unit: string
    min: number
    max: number
    step?: number
    digits?: number
    error?: string
    /** One sentence under the field, such as what it means to leave it empty. */
    hint?: string
    emptyWord?: string
    start?: number
    slide?: boolean
    tall?: boolean
    hideLabel?: boolean
    /** What a step goes on from, where a value is stored before it is shown: taps may come faster. */
    latest?: () => number | null | undefined
  }>(),
  { step: 1, digits: 0, error: '', hint: '', emptyWord: '–', start: undefined, latest: undefined },
)
const value = defineModel<number | null>({ required: true })
const id = `stepper-${Math.random().toString(36).slice(2)}`
// bound lazily: what is being typed stays while answers redraw the screen around it
const typed = computed<string | number>({
  get: () => (value.value === null ? '' : value.value.toFixed(props.digits)),
  set: (text) => {
    value.value = text === '' ? null : Number(text)
  },
})
const current = () => (props.latest ? props.latest() : value.value) ?? null
/** What stands in the field, left or not. */
function standing(event: Event): number | null {
  const text = (event.target as HTMLInputElement).value
  return text === '' ? null : Number(text)
}
function move(way: number, now = current()) {
  const from = now ?? props.start ?? props.min
  const next = now === null ? from : snap(from, props.step) + way * props.step
  value.value = clamp(Number(next.toFixed(3)), props.min, props.max)
}
</script>

<template>
  <div>
    <label :for="id" :class="hideLabel ? 'sr-only' : 'heading block'">{{ label }}</label>
    <div class="flex items-stretch" :class="tall ? 'tall' : ''">
      <button type="button" class="step rounded-l-lg" :aria-label="say('parts.less', { label })" @click="move(-1)">
        −
      </button>
      <span class="relative min-w-0 flex-1">
        <input
          :id="id"
          v-model.lazy="typed"
          class="figure h-full min-h-11 w-full min-w-0 border-y-[1.5px] border-soft bg-card text-center text-xl"
          inputmode="decimal"
          type="number"
          step="any"
          :placeholder="emptyWord"
          :aria-invalid="!!error"
          :aria-describedby="error ? `${id}-error` : hint ? `${id}-hint` : undefined"
          @keydown.up.prevent="move(1, standing($event))"
          @keydown.down.prevent="move(-1, standing($event))"
        />
        <span class="pointer-events-none absolute right-1.5 top-3 text-sm text-soft">{{ unit }}</span>
      </span>
      <button
        type="button"
        class="step rounded-r-lg"
        :aria-label="say('parts.stepper-more', { label })"
        @click="move(1)"
      >
        +
      </button>
    </div>
    <input
      v-if="slide"
      type="range"
      class="mt-1 block w-full"
      :min="min"
      :max="max"
      :step="step"
      :value="value ?? start ?? min"
      :aria-label="say('parts.slider', { label })"
      @input="value = Number(($event.target as HTMLInputElement).value)"
    />
    <p v-if="hint && !error" :id="`${id}-hint`" class="text-sm text-soft">{{ hint }}</p>
    <p v-if="error" :id="`${id}-error`" class="text-sm font-bold text-spot-ink" role="alert">{{ error }}</p>
  </div>
</template>

<style scoped>
/* for a thumb in turbulence */
.tall {
  min-height: 56px;
}
.tall .step {
  width: 56px;
}
.step {
  width: 44px;
  border: 1.5px solid var(--ink-soft);
  background: var(--paper);
  font-size: 1.4rem;
  font-weight: 700;
  cursor: pointer;
}
input[type='number'] {
  appearance: textfield;
  padding-right: 1.9rem;
  padding-left: 0.4rem;
}
input::-webkit-inner-spin-button {
  appearance: none;
}
</style>
