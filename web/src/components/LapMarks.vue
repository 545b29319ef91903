<script setup lang="ts">
/** What was seen, one tap each, sorted by where in the lap it is seen. */
import { say } from '@/said'
import { computed } from 'vue'
import type { Drift, LapIn } from '@/api/types'
import Chip from '@/components/Chip.vue'
import { DRIFTS, MARK_LABEL, MARKS, STATES, type LapState, type Mark } from '@/marks'

const props = defineProps<{
  values: Partial<LapIn>
  /** What a tap goes on from: taps may come faster than what they change is stored and shown. */
  latest: () => Partial<LapIn>
}>()
const state = defineModel<LapState>('state', { required: true })
const emit = defineEmits<{ set: [what: string, part: Partial<LapIn>] }>()

const has = (mark: Mark) => !!props.values.marks?.includes(mark)
function toggle(mark: Mark) {
  const marks = props.latest().marks ?? []
  emit('set', MARK_LABEL[mark].toLowerCase(), {
    marks: marks.includes(mark) ? marks.filter((one) => one !== mark) : [...marks, mark],
  })
}
const isClean = computed(
  () => props.values.bounced === false && props.values.ballooned === false && props.values.drift === 'none',
)
function clean() {
  emit('set', 'clean arrival', {
    bounced: false,
    ballooned: false,
    drift: 'none',
    known_by: { drift: 'seen' },
    marks: (props.latest().marks ?? []).filter((one) => !MARKS.touched.includes(one) || one === 'prompted'),
  })
}
function drift(value: Drift) {
  emit('set', 'drift', { drift: props.latest().drift === value ? null : value, known_by: { drift: 'seen' } })
}
function toggleFlag(name: 'bounced' | 'ballooned') {
  emit('set', name, { [name]: props.latest()[name] ? null : true })
}
const counts = computed(() => Object.fromEntries(STATES.map(({ value }) => [value, MARKS[value].filter(has).length])))
</script>

<template>
  <div>
    <div class="grid grid-cols-4 gap-1" role="group" :aria-label="say('parts.where-in-the-lap')">
      <button
        v-for="one in STATES"
        :key="one.value"
        type="button"
        class="min-h-14 rounded-t-lg border-x-2 border-t-2 px-1 font-bold"
        :class="state === one.value ? 'border-ink bg-card' : 'border-line bg-paper text-soft'"
        :aria-pressed="state === one.value"
        @click="state = one.value"
      >
        {{ one.label }}<span v-if="counts[one.value]" class="figure ml-1.5 text-soft">{{ counts[one.value] }}</span>
      </button>
    </div>
    <div
      class="grid grid-cols-2 gap-1.5 border-t-2 border-ink pt-2 sm:grid-cols-3"
      :aria-label="say('parts.what-was-seen')"
      role="group"
    >
      <template v-if="state === 'touched'">
        <Chip :on="isClean" @click="clean">{{ say('parts.nothing-wrong') }}</Chip>
        <Chip
          v-for="name in ['ballooned', 'bounced'] as const"
          :key="name"
          :on="!!values[name]"
          @click="toggleFlag(name)"
        >
          {{ name === 'bounced' ? say('parts.bounced') : say('parts.ballooned') }}
        </Chip>
        <Chip v-for="one in DRIFTS" :key="one.value" :on="values.drift === one.value" @click="drift(one.value)">
          {{ one.label }}
        </Chip>
      </template>
      <Chip v-for="mark in MARKS[state]" :key="mark" :on="has(mark)" @click="toggle(mark)">{{ MARK_LABEL[mark] }}</Chip>
    </div>
  </div>
</template>
