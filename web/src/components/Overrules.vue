<script setup lang="ts">
/** Numbers that the instructor sets against what is worked out, each with its reason, which stays with it. */
import { ref } from 'vue'
import type { Sortie } from '@/api/types'
import Stepper from '@/components/Stepper.vue'

type Overrule = Sortie['overruled'][number]
const props = defineProps<{ overruled: Sortie['overruled']; error: string; worked: Partial<Record<string, number>> }>()
const emit = defineEmits<{ set: [overruled: Pick<Overrule, 'number' | 'value' | 'reason'>[]] }>()

const NUMBERS: { value: Overrule['number']; label: string; unit: string }[] = [
  { value: 'aim_point_ft', label: 'Aim point', unit: 'ft' },
  { value: 'approach_speed_kias', label: 'Approach speed', unit: 'kt' },
  { value: 'go_around_point_ft', label: 'Go-around point', unit: 'ft' },
  { value: 'landing_roll_ft', label: 'Landing ground roll, with its safety factor', unit: 'ft' },
  { value: 'takeoff_over_50_ft', label: 'Takeoff distance over 50 ft', unit: 'ft' },
]
const number = ref<Overrule['number']>('aim_point_ft')
const value = ref<number | null>(null)
const reason = ref('')
const of = (name: Overrule['number']) => NUMBERS.find((one) => one.value === name)

function add() {
  if (value.value === null || reason.value.trim().length < 3) return
  const others = props.overruled.filter((one) => one.number !== number.value)
  emit('set', [...others, { number: number.value, value: value.value, reason: reason.value.trim() }])
  value.value = null
  reason.value = ''
}
function remove(name: Overrule['number']) {
  emit(
    'set',
    props.overruled.filter((one) => one.number !== name),
  )
}
</script>

<template>
  <section class="panel" aria-labelledby="overrules">
    <h2 id="overrules" class="text-lg font-bold">Set a number yourself</h2>
    <p class="text-sm text-soft">It takes the place of what is worked out, and your reason is shown beside it.</p>
    <ul v-if="overruled.length" class="mt-2 space-y-1">
      <li v-for="one in overruled" :key="one.number" class="flex flex-wrap items-center gap-2">
        <span class="min-w-0 flex-1"
          ><b>{{ of(one.number)?.label }} {{ one.value }} {{ of(one.number)?.unit }}</b
          >, set by {{ one.by }}: {{ one.reason }}</span
        >
        <button type="button" class="button" @click="remove(one.number)">Back to what is worked out</button>
      </li>
    </ul>
    <form class="mt-2 grid items-end gap-2 sm:grid-cols-[1fr_1fr_1.4fr_auto]" @submit.prevent="add">
      <label>
        <span class="heading">Number</span>
        <select v-model="number" class="field">
          <option v-for="one in NUMBERS" :key="one.value" :value="one.value">{{ one.label }}</option>
        </select>
      </label>
      <Stepper
        v-model="value"
        label="Value"
        :unit="of(number)?.unit ?? ''"
        :min="0"
        :max="20000"
        :step="number === 'approach_speed_kias' ? 1 : 10"
        :start="worked[number]"
        empty-word="none"
      />
      <label>
        <span class="heading">Why</span>
        <input v-model="reason" class="field" maxlength="300" placeholder="The overrun is paved and firm" />
      </label>
      <button type="submit" class="button button-main" :disabled="value === null || reason.trim().length < 3">
        Set it
      </button>
    </form>
    <p v-if="error" role="alert" class="mt-1 font-bold text-fail-ink">{{ error }}</p>
  </section>
</template>
