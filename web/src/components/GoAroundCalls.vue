<script setup lang="ts">
/** A go-around as it was called: why, by whom, when; one tap each, and a second tap takes it back. */
import { say } from '@/said'
import { computed } from 'vue'
import type { LapIn } from '@/api/types'
import Chip from '@/components/Chip.vue'
import Stepper from '@/components/Stepper.vue'
import { AROUND_WHEN, AROUND_WHO, AROUND_WHY } from '@/marks'

type WentAround = NonNullable<NonNullable<LapIn['noted']>['went_around']>
const props = defineProps<{
  values: Partial<LapIn>
  latest: () => Partial<LapIn>
  landingFt: number
  errors: Record<string, string>
}>()
const emit = defineEmits<{ set: [what: string, part: Partial<LapIn>] }>()
const now = computed<WentAround>(() => props.values.noted?.went_around ?? {})
const latest = () => props.latest().noted?.went_around ?? {}
function put(part: WentAround) {
  const noted = props.latest().noted ?? {}
  emit('set', say('calls.what-was-called'), { noted: { ...noted, went_around: { ...latest(), ...part } } })
}
function choose<K extends 'why' | 'called_by' | 'when'>(name: K, value: string) {
  put({ [name]: latest()[name] === value ? null : value } as WentAround)
}
const GROUPS = [
  { name: 'why', heading: say('calls.why'), labels: AROUND_WHY as Record<string, string> },
  { name: 'called_by', heading: say('calls.who'), labels: AROUND_WHO as Record<string, string> },
  { name: 'when', heading: say('calls.when'), labels: AROUND_WHEN as Record<string, string> },
] as const
</script>

<template>
  <div class="space-y-2">
    <div v-for="group in GROUPS" :key="group.name" role="group" :aria-label="group.heading">
      <span class="heading block">{{ group.heading }}</span>
      <div class="grid grid-cols-3 gap-1.5">
        <Chip
          v-for="(label, value) in group.labels"
          :key="value"
          :on="now[group.name] === value"
          @click="choose(group.name, value)"
          >{{ label }}</Chip
        >
      </div>
    </div>
    <div class="grid grid-cols-2 gap-3">
      <Stepper
        :model-value="now.height_ft ?? null"
        :latest="() => latest().height_ft"
        :label="say('calls.height')"
        unit="ft"
        :min="0"
        :max="3000"
        :step="10"
        :start="50"
        empty-word="–"
        :error="errors['noted.went_around.height_ft']"
        @update:model-value="put({ height_ft: $event })"
      />
      <Stepper
        v-if="now.why === 'bounce' || now.touched_ft != null"
        :model-value="now.touched_ft ?? null"
        :latest="() => latest().touched_ft"
        :label="say('calls.touched-before')"
        unit="ft"
        :min="-500"
        :max="landingFt"
        :step="10"
        :start="values.spot_ft ?? 500"
        empty-word="–"
        :error="errors['noted.went_around.touched_ft']"
        @update:model-value="put({ touched_ft: $event })"
      />
    </div>
  </div>
</template>
