<script setup lang="ts">
/** What the school sets for all: limits of students and weather, what counts as ready, recent experience. */
import { say } from '@/said'
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
    undo: { what: say('people.school-setting'), back: () => api.changeSchool(before) },
  })
}
const RULES = {
  three_in_90: say('people.n-3-landings-in-90-days'),
  three_full_stop: say('people.n-3-full-stop-landings-in'),
  three_by_night: say('people.n-3-full-stop-landings-by'),
  five_in_six_months: say('people.n-5-landings-in-6-months'),
} as const
type Rule = keyof typeof RULES
function toggle(code: Rule) {
  const now = (school.data.value?.currency_rules ?? []) as Rule[]
  setSchool({ currency_rules: now.includes(code) ? now.filter((one) => one !== code) : [...now, code] })
}
const WHOM = {
  nobody: say('common.nobody'),
  teachers: say('people.those-who-teach'),
  everybody: say('people.everybody'),
} as const
</script>

<template>
  <div v-if="school.data.value" class="mt-4 grid gap-3 sm:grid-cols-2">
    <p v-if="refusal" role="alert" class="font-bold text-fail-ink sm:col-span-2">{{ refusal }}</p>
    <template v-if="isChief">
      <Stepper
        :model-value="school.data.value.crosswind_limit_kt"
        :label="say('people.schools-crosswind-limit-for-students')"
        unit="kt"
        :min="LIMITS.crosswindLimitKt.min"
        :max="LIMITS.crosswindLimitKt.max"
        :start="10"
        :empty-word="say('people.none-set')"
        @update:model-value="setSchool({ crosswind_limit_kt: $event })"
      />
      <Stepper
        :model-value="school.data.value.aim_step_ft"
        :label="say('people.one-lap-moves-the-aim')"
        unit="ft"
        :min="LIMITS.aimStepFt.min"
        :max="LIMITS.aimStepFt.max"
        :step="10"
        @update:model-value="$event !== null && setSchool({ aim_step_ft: $event })"
      />
      <Stepper
        :model-value="school.data.value.least_ceiling_ft"
        :label="say('people.lowest-cloud-for-pattern-lessons')"
        unit="ft"
        :min="0"
        :max="LIMITS.ceilingFt.max"
        :step="100"
        @update:model-value="$event !== null && setSchool({ least_ceiling_ft: $event })"
      />
      <Stepper
        :model-value="school.data.value.least_visibility_m"
        :label="say('people.shortest-visibility-for-pattern-lessons')"
        unit="m"
        :min="0"
        :max="LIMITS.visibilityM.max"
        :step="500"
        @update:model-value="$event !== null && setSchool({ least_visibility_m: $event })"
      />
      <Stepper
        :model-value="Math.round(school.data.value.needed_chance * 100)"
        :label="say('people.at-standard-landings-of-100')"
        unit="of 100"
        :min="50"
        :max="95"
        :step="5"
        @update:model-value="$event !== null && setSchool({ needed_chance: $event / 100 })"
      />
      <Stepper
        :model-value="school.data.value.stale_days"
        :label="say('people.an-exercise-is-stale-after')"
        unit="days"
        :min="7"
        :max="365"
        @update:model-value="$event !== null && setSchool({ stale_days: $event })"
      />
      <fieldset class="sm:col-span-2">
        <legend class="heading">{{ say('people.a-second-factor-when-signing') }}</legend>
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
        <legend class="heading">{{ say('people.recent-experience-that-is-asked') }}</legend>
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
      {{
        say('people.the-schools-crosswind-limit-for', {
          crosswind_limit_kt:
            school.data.value.crosswind_limit_kt === null
              ? say('people.none-set')
              : `${school.data.value.crosswind_limit_kt} kt`,
          aim_step_ft: school.data.value.aim_step_ft,
          least_ceiling_ft: round(school.data.value.least_ceiling_ft),
          least_visibility_m: round(school.data.value.least_visibility_m),
        })
      }}
    </p>
  </div>
</template>
