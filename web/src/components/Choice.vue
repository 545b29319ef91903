<script setup lang="ts" generic="T extends string">
/** One of a few, as buttons side by side: one tap, and readable in the sun. */
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue'
import { computed } from 'vue'

defineProps<{ label: string; options: readonly { value: T; label: string; off?: boolean }[]; tall?: boolean }>()
/** null: nothing chosen yet */
const value = defineModel<T | null>({ required: true })
// undefined would let the group keep a choice of its own; its types do not know that null is taken
const given = computed(() => value.value as T)
</script>

<template>
  <RadioGroup :model-value="given" @update:model-value="value = $event">
    <RadioGroupLabel class="heading block">{{ label }}</RadioGroupLabel>
    <div class="flex flex-wrap gap-1.5">
      <RadioGroupOption
        v-for="option in options"
        :key="String(option.value)"
        v-slot="{ checked }"
        as="template"
        :value="option.value"
        :disabled="option.off"
      >
        <button
          type="button"
          class="button flex-1 whitespace-nowrap !px-3"
          :class="[checked ? 'button-main' : '', tall ? '!min-h-14' : '']"
          :disabled="option.off"
        >
          <span v-if="checked" aria-hidden="true">✓ </span>{{ option.label }}
        </button>
      </RadioGroupOption>
    </div>
  </RadioGroup>
</template>
