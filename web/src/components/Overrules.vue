<script setup lang="ts">
/** Numbers that the instructor sets against what is worked out, each with its reason, which stays with it. */
import { say } from '@/said'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api } from '@/api/calls'
import { forgetSortie } from '@/api/queries'
import type { Sortie } from '@/api/types'
import Stepper from '@/components/Stepper.vue'
import { useWrite } from '@/composables/useWrite'

type Overrule = Sortie['overruled'][number]
type Part = 'landing' | 'takeoff' | 'pattern'
const props = defineProps<{
  sortie: Sortie
  part: Part
  /** What is worked out, by number: where the stepper starts. */
  worked: Partial<Record<Overrule['number'], number | null>>
}>()

const NUMBERS: { part: Part; value: Overrule['number']; label: string; unit: string }[] = [
  { part: 'landing', value: 'aim_point_ft', label: say('common.aim-point'), unit: 'ft' },
  { part: 'landing', value: 'approach_speed_kias', label: say('parts.approach-speed'), unit: 'kt' },
  { part: 'landing', value: 'go_around_point_ft', label: say('parts.go-around-point'), unit: 'ft' },
  { part: 'landing', value: 'landing_roll_ft', label: say('parts.landing-ground-roll-with-its'), unit: 'ft' },
  { part: 'takeoff', value: 'takeoff_over_50_ft', label: say('parts.takeoff-distance-over-50-ft'), unit: 'ft' },
  { part: 'takeoff', value: 'rotate_kias', label: say('parts.lift-off-speed'), unit: 'kt' },
  { part: 'takeoff', value: 'vx_kias', label: say('parts.best-angle-of-climb-vx'), unit: 'kt' },
  { part: 'takeoff', value: 'vy_kias', label: say('parts.best-rate-of-climb-vy'), unit: 'kt' },
  { part: 'takeoff', value: 'abort_point_ft', label: say('parts.place-to-give-the-takeoff'), unit: 'ft' },
  { part: 'takeoff', value: 'first_turn_height_ft', label: say('parts.first-turn-height-above-the'), unit: 'ft' },
  { part: 'pattern', value: 'downwind_kias', label: say('parts.speed-on-downwind'), unit: 'kt' },
  { part: 'pattern', value: 'base_kias', label: say('parts.speed-on-base'), unit: 'kt' },
  { part: 'pattern', value: 'best_glide_kias', label: say('parts.glide-speed'), unit: 'kt' },
  { part: 'pattern', value: 'glide_turn_ft', label: say('parts.start-of-the-power-off'), unit: 'ft' },
]
const offered = computed(() => NUMBERS.filter((one) => one.part === props.part))
const number = ref<Overrule['number']>(offered.value[0]!.value)
const value = ref<number | null>(null)
const reason = ref('')
const of = (name: Overrule['number']) => NUMBERS.find((one) => one.value === name)
const held = computed(() => props.sortie.overruled.filter((one) => of(one.number)?.part === props.part))
const start = computed(() => {
  const worked = props.worked[number.value]
  const step = of(number.value)?.unit === 'kt' ? 1 : 10
  return worked == null ? undefined : Math.round(worked / step) * step
})

const client = useQueryClient()
const { write, fields, problem } = useWrite({
  refresh: () => forgetSortie(client, props.sortie.id),
  otherwise: say('parts.the-number-was-not-set'),
})
const error = computed(() => Object.values(fields.value)[0] ?? problem.value)
type Plain = Pick<Overrule, 'number' | 'value' | 'reason'>
const plain = (ones: readonly Overrule[]): Plain[] =>
  ones.map(({ number, value, reason }) => ({ number, value, reason }))
function set(overruled: Plain[]) {
  const { id } = props.sortie
  const before = plain(props.sortie.overruled)
  return write({
    call: () => api.changeSortie(id, { overruled }, { overruled: props.sortie.overruled }),
    undo: { what: say('parts.number-set-by-hand'), back: () => api.changeSortie(id, { overruled: before }) },
  })
}
const others = (name: Overrule['number']) => plain(props.sortie.overruled.filter((one) => one.number !== name))
async function add() {
  if (value.value === null || reason.value.trim().length < 3) return
  const one = { number: number.value, value: value.value, reason: reason.value.trim() }
  // what was typed stays when it is refused
  if (!(await set([...others(number.value), one]))) return
  value.value = null
  reason.value = ''
}
</script>

<template>
  <section class="panel" aria-labelledby="overrules">
    <h2 id="overrules" class="text-lg font-bold">{{ say('parts.set-a-number-yourself') }}</h2>
    <p class="text-sm text-soft">{{ say('parts.it-takes-the-place-of') }}</p>
    <ul v-if="held.length" class="mt-2 space-y-1">
      <li v-for="one in held" :key="one.number" class="flex flex-wrap items-center gap-2">
        <span class="min-w-0 flex-1"
          ><b>{{ of(one.number)?.label }} {{ one.value }} {{ of(one.number)?.unit }}</b
          >{{ say('parts.set-by', { by: one.by, reason: one.reason }) }}</span
        >
        <button type="button" class="button" @click="set(others(one.number))">
          {{ say('parts.back-to-the-calculated-number') }}
        </button>
      </li>
    </ul>
    <form class="mt-2 grid items-end gap-2 sm:grid-cols-[1fr_1fr_1.4fr_auto]" @submit.prevent="add">
      <label>
        <span class="heading">{{ say('parts.number') }}</span>
        <select v-model="number" class="field">
          <option v-for="one in offered" :key="one.value" :value="one.value">{{ one.label }}</option>
        </select>
      </label>
      <Stepper
        v-model="value"
        :label="say('parts.value')"
        :unit="of(number)?.unit ?? ''"
        :min="0"
        :max="20000"
        :step="of(number)?.unit === 'kt' ? 1 : 10"
        :start="start"
        :empty-word="say('common.none')"
      />
      <label>
        <span class="heading">{{ say('parts.why') }}</span>
        <input v-model="reason" class="field" maxlength="300" :placeholder="say('parts.the-overrun-is-paved-and')" />
      </label>
      <button type="submit" class="button button-main" :disabled="value === null || reason.trim().length < 3">
        {{ say('common.set-it') }}
      </button>
    </form>
    <p v-if="error" role="alert" class="mt-1 font-bold text-fail-ink">{{ error }}</p>
  </section>
</template>
