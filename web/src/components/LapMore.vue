<script setup lang="ts">
/** What is seldom noted of a lap: who flew, what was read or where it stopped, its aim and wind, a note. */
import { say } from '@/said'
import { computed } from 'vue'
import { LIMITS } from '@/api/limits'
import type { LapIn, Sortie } from '@/api/types'
import Chip from '@/components/Chip.vue'
import Choice from '@/components/Choice.vue'
import LazyField from '@/components/LazyField.vue'
import Stepper from '@/components/Stepper.vue'
import { EXCLUDED_LABEL } from '@/marks'
import { landingLength } from '@/strip/places'

type Noted = NonNullable<LapIn['noted']>
const props = defineProps<{
  values: Partial<LapIn>
  latest: () => Partial<LapIn>
  /** The whole sortie is flown by a student alone. */
  isAlone: boolean
  ended: boolean
  runway: Sortie['runway']
  spotFt: number
  aimFt: number | null
  approachKias: number | null
  rollFt: number | null
  phrases: readonly string[]
  windWords: string
  hasWind: boolean
  errors: Record<string, string>
}>()
const emit = defineEmits<{
  set: [what: string, part: Partial<LapIn>]
  note: [text: string]
  askWind: []
  forgetWind: []
  remove: []
}>()
const EXCLUSIONS = (Object.keys(EXCLUDED_LABEL) as (keyof typeof EXCLUDED_LABEL)[]).map((value) => ({
  value,
  label: EXCLUDED_LABEL[value],
}))
function toggleExcluded(value: keyof typeof EXCLUDED_LABEL) {
  emit('set', say('laps.left-out-of-learning'), { excluded: props.latest().excluded === value ? null : value })
}
/** Dual, a demonstration, or the student alone: each lap may be another. */
const PILOTS = [
  { value: 'student' as const, label: say('common.student') },
  { value: 'instructor' as const, label: say('laps.instructor') },
  { value: 'alone' as const, label: say('calls.student-alone') },
]
const pilot = computed(() =>
  (props.values.alone ?? props.isAlone) && props.values.flown_by !== 'instructor'
    ? ('alone' as const)
    : (props.values.flown_by ?? null),
)
function flownBy(who: (typeof PILOTS)[number]['value'] | null) {
  emit('set', say('laps.who-flew'), { flown_by: who === 'alone' ? 'student' : who, alone: who === 'alone' })
}
const noted = computed<Noted>(() => props.values.noted ?? {})
function put(part: Noted) {
  emit('set', say('calls.what-was-called'), { noted: { ...props.latest().noted, ...part } })
}
const exits = computed(() => (props.runway.exits ?? []).map((one) => one.name))
</script>

<template>
  <div class="space-y-3">
    <div class="grid gap-3 sm:grid-cols-2">
      <Choice
        :model-value="pilot"
        :label="say('laps.flown-by')"
        tall
        :options="PILOTS"
        @update:model-value="flownBy($event)"
      />
      <Stepper
        :model-value="values.liftoff_ft ?? null"
        :latest="() => latest().liftoff_ft"
        :label="say('laps.lift-off-from-the-start')"
        unit="ft"
        tall
        :min="LIMITS.rollFt.min"
        :max="LIMITS.rollFt.max"
        :step="50"
        :start="Math.round((rollFt ?? 800) / 50) * 50"
        empty-word="–"
        :error="errors.liftoff_ft"
        @update:model-value="emit('set', 'lift-off', { liftoff_ft: $event })"
      />
    </div>
    <div class="grid gap-3 sm:grid-cols-2">
      <Stepper
        :model-value="noted.gate_speed_kias ?? null"
        :latest="() => latest().noted?.gate_speed_kias"
        :label="say('calls.speed-at-the-gate')"
        unit="kt"
        tall
        :min="LIMITS.speedKias.min"
        :max="LIMITS.speedKias.max"
        :start="Math.round(approachKias ?? 60)"
        empty-word="–"
        :error="errors['noted.gate_speed_kias']"
        @update:model-value="put({ gate_speed_kias: $event })"
      />
      <Stepper
        :model-value="noted.gate_height_off_ft ?? null"
        :latest="() => latest().noted?.gate_height_off_ft"
        :label="say('calls.above-the-path')"
        :hint="say('calls.above-the-path-hint')"
        unit="ft"
        tall
        :min="-2000"
        :max="2000"
        :step="20"
        :start="0"
        empty-word="–"
        :error="errors['noted.gate_height_off_ft']"
        @update:model-value="put({ gate_height_off_ft: $event })"
      />
      <Stepper
        v-if="values.outcome === 'full_stop' || values.outcome === 'stop_and_go'"
        :model-value="noted.stop_ft ?? null"
        :latest="() => latest().noted?.stop_ft"
        :label="say('calls.stopped-at')"
        unit="ft"
        tall
        :min="LIMITS.rollFt.min"
        :max="LIMITS.rollFt.max"
        :step="50"
        :start="Math.round(((values.along_ft ?? spotFt) + 600) / 50) * 50"
        empty-word="–"
        :error="errors['noted.stop_ft']"
        @update:model-value="put({ stop_ft: $event })"
      />
      <Stepper
        v-if="values.outcome === 'drill'"
        :model-value="noted.height_lost_ft ?? null"
        :latest="() => latest().noted?.height_lost_ft"
        :label="say('calls.height-lost')"
        unit="ft"
        tall
        :min="0"
        :max="3000"
        :step="10"
        :start="50"
        empty-word="–"
        :error="errors['noted.height_lost_ft']"
        @update:model-value="put({ height_lost_ft: $event })"
      />
      <div v-if="values.outcome === 'full_stop' && exits.length" role="group" :aria-label="say('calls.turned-off-at')">
        <span class="heading block">{{ say('calls.turned-off-at') }}</span>
        <div class="flex flex-wrap gap-1.5">
          <Chip
            v-for="name in exits"
            :key="name"
            :on="noted.exit === name"
            @click="put({ exit: noted.exit === name ? null : name })"
            >{{ name }}</Chip
          >
        </div>
      </div>
    </div>
    <div>
      <p class="heading">{{ say('laps.leave-this-lap-out-of') }}</p>
      <div class="grid grid-cols-2 gap-1.5 sm:grid-cols-4">
        <Chip
          v-for="one in EXCLUSIONS"
          :key="one.value"
          :on="values.excluded === one.value"
          @click="toggleExcluded(one.value)"
        >
          {{ one.label }}
        </Chip>
      </div>
    </div>
    <div>
      <label class="heading block" for="note">{{ say('laps.note') }}</label>
      <LazyField
        id="note"
        :model-value="values.note ?? ''"
        class="field !min-h-14"
        list="phrases"
        maxlength="200"
        @update:model-value="emit('note', $event.trim())"
      />
      <datalist id="phrases"><option v-for="one in phrases" :key="one" :value="one" /></datalist>
      <div class="mt-1.5 grid grid-cols-2 gap-1.5 sm:grid-cols-3">
        <button v-for="one in phrases" :key="one" type="button" class="chip" @click="emit('note', one)">
          {{ one }}
        </button>
      </div>
    </div>
    <div class="grid gap-3 sm:grid-cols-2">
      <Stepper
        :model-value="values.aim_point_ft ?? null"
        :latest="() => latest().aim_point_ft"
        :label="say('laps.aimed-at')"
        unit="ft"
        :min="-500"
        :max="landingLength(runway)"
        :step="10"
        :start="Math.round((aimFt ?? spotFt) / 10) * 10"
        :empty-word="say('laps.as-briefed')"
        :error="errors.aim_point_ft"
        @update:model-value="emit('set', say('laps.aim-flown'), { aim_point_ft: $event })"
      />
      <Stepper
        :model-value="values.float_s ?? null"
        :latest="() => latest().float_s"
        :label="say('common.float')"
        unit="s"
        :min="LIMITS.floatS.min"
        :max="LIMITS.floatS.max"
        :step="0.5"
        :digits="1"
        empty-word="–"
        :error="errors.float_s"
        @update:model-value="emit('set', say('laps.float-time'), { float_s: $event, known_by: { float_s: 'timed' } })"
      />
    </div>
    <div v-if="ended" class="flex flex-wrap items-center gap-2">
      <button type="button" class="button !min-h-14" @click="emit('askWind')">
        {{ say('laps.wind-of-this-lap', { wind_of_lap: windWords }) }}
      </button>
      <button v-if="hasWind" type="button" class="button !min-h-14" @click="emit('forgetWind')">
        {{ say('laps.back-to-the-brief') }}
      </button>
      <span v-if="errors.wind_kt || errors.gust_kt" role="alert" class="font-bold text-fail-ink">
        {{ errors.wind_kt ?? errors.gust_kt }}
      </span>
    </div>
    <button v-if="ended" type="button" class="button !min-h-14" @click="emit('remove')">
      {{ say('laps.remove-this-lap') }}
    </button>
  </div>
</template>
