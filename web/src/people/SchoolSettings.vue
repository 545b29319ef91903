<script setup lang="ts">
/** What the school sets for all: limits of students and weather, what counts as ready, recent experience. */
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { LIMITS } from '@/api/limits'
import { api } from '@/api/calls'
import { schoolQuery } from '@/api/queries'
import Stepper from '@/components/Stepper.vue'
import { useWrite } from '@/composables/useWrite'
import { round } from '@/words'

defineProps<{ isChief: boolean }>()
const client = useQueryClient()
const school = useQuery(schoolQuery)
const { write, problem: refusal } = useWrite({
  refresh: () =>
    Promise.all([client.invalidateQueries({ queryKey: ['catalogue'] }), client.invalidateQueries(schoolQuery)]),
})
function setSchool(change: Parameters<typeof api.changeSchool>[0]) {
  const was = school.data.value
  if (!was) return
  const before = Object.fromEntries(Object.entries(was).filter(([name]) => name !== 'name')) as Parameters<
    typeof api.changeSchool
  >[0]
  void write({
    call: () => api.changeSchool(change),
    undo: { what: 'school setting', back: () => api.changeSchool(before) },
  })
}
const RULES = {
  three_in_90: '3 landings in 90 days (US, Europe)',
  three_full_stop: '3 full-stop landings in 90 days (US, tailwheel types)',
  three_by_night: '3 full-stop landings by night in 90 days (US)',
  five_in_six_months: '5 landings in 6 months (Canada)',
} as const
type Rule = keyof typeof RULES
function toggle(code: Rule) {
  const now = (school.data.value?.currency_rules ?? []) as Rule[]
  setSchool({ currency_rules: now.includes(code) ? now.filter((one) => one !== code) : [...now, code] })
}
const WHOM = {
  nobody: 'nobody',
  teachers: 'those who teach',
  everybody: 'everybody',
} as const
</script>

<template>
  <div v-if="school.data.value" class="mt-4 grid gap-3 sm:grid-cols-2">
    <p v-if="refusal" role="alert" class="font-bold text-fail-ink sm:col-span-2">{{ refusal }}</p>
    <template v-if="isChief">
      <Stepper
        :model-value="school.data.value.crosswind_limit_kt"
        label="School’s crosswind limit for students"
        unit="kt"
        :min="LIMITS.crosswindLimitKt.min"
        :max="LIMITS.crosswindLimitKt.max"
        :start="10"
        empty-word="none set"
        @update:model-value="setSchool({ crosswind_limit_kt: $event })"
      />
      <Stepper
        :model-value="school.data.value.aim_step_ft"
        label="One lap moves the aim point by at most"
        unit="ft"
        :min="LIMITS.aimStepFt.min"
        :max="LIMITS.aimStepFt.max"
        :step="10"
        @update:model-value="$event !== null && setSchool({ aim_step_ft: $event })"
      />
      <Stepper
        :model-value="school.data.value.least_ceiling_ft"
        label="Lowest cloud for pattern lessons"
        unit="ft"
        :min="0"
        :max="LIMITS.ceilingFt.max"
        :step="100"
        @update:model-value="$event !== null && setSchool({ least_ceiling_ft: $event })"
      />
      <Stepper
        :model-value="school.data.value.least_visibility_m"
        label="Shortest visibility for pattern lessons"
        unit="m"
        :min="0"
        :max="LIMITS.visibilityM.max"
        :step="500"
        @update:model-value="$event !== null && setSchool({ least_visibility_m: $event })"
      />
      <Stepper
        :model-value="Math.round(school.data.value.needed_chance * 100)"
        label="At standard: landings of 100 that meet it"
        unit="of 100"
        :min="50"
        :max="95"
        :step="5"
        @update:model-value="$event !== null && setSchool({ needed_chance: $event / 100 })"
      />
      <Stepper
        :model-value="school.data.value.stale_days"
        label="An exercise is stale after"
        unit="days"
        :min="7"
        :max="365"
        @update:model-value="$event !== null && setSchool({ stale_days: $event })"
      />
      <fieldset class="sm:col-span-2">
        <legend class="heading">A second factor when signing in is asked of</legend>
        <label v-for="(label, code) in WHOM" :key="code" class="flex min-h-11 items-center gap-3">
          <input
            type="radio"
            name="second-factor"
            class="size-6"
            :checked="school.data.value.second_factor === code"
            @change="setSchool({ second_factor: code })"
          />
          {{ label }}
        </label>
      </fieldset>
      <fieldset class="sm:col-span-2">
        <legend class="heading">Recent experience that is asked for (quoted from memory)</legend>
        <label v-for="(label, code) in RULES" :key="code" class="flex min-h-11 items-center gap-3">
          <input
            type="checkbox"
            class="size-6"
            :checked="school.data.value.currency_rules.includes(code)"
            @change="toggle(code)"
          />
          {{ label }}
        </label>
      </fieldset>
    </template>
    <p v-else class="text-sm text-soft">
      The school’s crosswind limit for students:
      {{ school.data.value.crosswind_limit_kt === null ? 'none set' : `${school.data.value.crosswind_limit_kt} kt` }};
      one lap moves the aim point by at most {{ school.data.value.aim_step_ft }} ft. The chief instructor sets both, and
      that no pattern lesson is flown with cloud below {{ round(school.data.value.least_ceiling_ft) }} ft or visibility
      below {{ round(school.data.value.least_visibility_m) }} m.
    </p>
  </div>
</template>
