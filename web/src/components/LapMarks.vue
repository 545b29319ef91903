<script setup lang="ts">
/** What was seen, one tap each, sorted by where in the lap it is seen. */
import { say } from '@/said'
import { computed, ref } from 'vue'
import type { Drift, LapIn } from '@/api/types'
import Chip from '@/components/Chip.vue'
import { DRIFTS, FIRST, MARK_LABEL, MARKS, STATES, type LapState, type Mark } from '@/marks'

const props = defineProps<{
  values: Partial<LapIn>
  /** What a tap goes on from: taps may come faster than what they change is stored and shown. */
  latest: () => Partial<LapIn>
  /** What this student was marked with lately: it stands on the first face. */
  usual: readonly string[]
  /** Marks that this aircraft or landing cannot have. */
  without: readonly Mark[]
}>()
const state = defineModel<LapState>('state', { required: true })
const emit = defineEmits<{ set: [what: string, part: Partial<LapIn>] }>()
const wentAround = computed(() => props.values.outcome === 'go_around')
const states = computed(() =>
  STATES.filter(({ value }) => (wentAround.value ? value !== 'touched' && value !== 'roll' : value !== 'around')),
)
const showsAll = ref(false)
const has = (mark: Mark) => !!props.values.marks?.includes(mark)
const isSlight = (mark: Mark) => !!props.values.noted?.slight?.includes(mark)
const shown = computed(() =>
  MARKS[state.value].filter(
    (mark) =>
      has(mark) ||
      (!props.without.includes(mark) &&
        (showsAll.value || FIRST[state.value].includes(mark) || props.usual.includes(mark))),
  ),
)
const hasMore = computed(() => MARKS[state.value].length > FIRST[state.value].length)
/** Plain, then slight, then gone. */
function toggle(mark: Mark) {
  const now = props.latest()
  const marks = now.marks ?? []
  const slight = now.noted?.slight ?? []
  const noted = (of: Mark[]) => ({ ...now.noted, slight: of })
  const what = MARK_LABEL[mark]
  if (!marks.includes(mark)) emit('set', what, { marks: [...marks, mark] })
  else if (!slight.includes(mark)) emit('set', what, { noted: noted([...slight, mark]) })
  else {
    const left = slight.filter((one) => one !== mark)
    emit('set', what, { marks: marks.filter((one) => one !== mark), noted: noted(left) })
  }
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
    noted: { ...props.latest().noted, slight: [] },
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
    <div class="grid auto-cols-fr grid-flow-col gap-1" role="group" :aria-label="say('parts.where-in-the-lap')">
      <button
        v-for="one in states"
        :key="one.value"
        type="button"
        class="min-h-14 min-w-0 rounded-t-lg border-x-2 border-t-2 px-0.5 text-sm font-bold"
        :class="state === one.value ? 'border-ink bg-card' : 'border-line bg-paper text-soft'"
        :aria-pressed="state === one.value"
        @click="state = one.value"
      >
        {{ one.label
        }}<span v-if="counts[one.value]" class="figure ml-1 hidden text-soft sm:inline">{{ counts[one.value] }}</span>
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
      <Chip
        v-for="mark in shown"
        :key="mark"
        :on="has(mark)"
        :slight="isSlight(mark) ? say('calls.slight') : ''"
        @click="toggle(mark)"
        >{{ MARK_LABEL[mark] }}</Chip
      >
      <button
        v-if="hasMore"
        type="button"
        class="chip underline"
        :aria-expanded="showsAll"
        @click="showsAll = !showsAll"
      >
        {{ showsAll ? say('calls.fewer') : say('calls.all') }}
      </button>
    </div>
    <p v-if="values.marks?.length" class="mt-1 text-sm text-soft">{{ say('calls.tap-again') }}</p>
  </div>
</template>
