<script setup lang="ts">
/** What a flight weighs, and the distances of the handbook pasted in. */
import { say } from '@/said'
import { ref, watch } from 'vue'
import { LIMITS } from '@/api/limits'
import { api } from '@/api/calls'
import type { AircraftSpec } from '@/api/types'
import Stepper from '@/components/Stepper.vue'
import TablePaste from '@/components/TablePaste.vue'

const draft = defineModel<AircraftSpec>({ required: true })
const props = defineProps<{ id: number | null; fields: Record<string, string>; mayChange: boolean }>()
const people = ref([170, 170])
const bags = ref(20)
const fuel = ref(20)
const load = ref<Awaited<ReturnType<typeof api.loading>>['loaded'] | null>(null)
async function weigh() {
  if (props.id === null) return
  load.value = (
    await api.loading(props.id, { people_lb: people.value, bags_lb: bags.value, fuel_gal: fuel.value })
  ).loaded
}
watch([() => props.id, people, bags, fuel], () => void weigh(), { deep: true, immediate: true })
</script>

<template>
  <section class="panel space-y-3" :aria-label="say('hangar.weight-of-a-flight')">
    <h3 class="font-bold">{{ say('hangar.loading') }}</h3>
    <template v-if="id !== null">
      <div class="grid grid-cols-2 gap-3">
        <Stepper
          v-for="(_, i) in people"
          :key="i"
          v-model="people[i] as number"
          :label="say('hangar.person', { i: i + 1 })"
          unit="lb"
          :min="LIMITS.personLb.min"
          :max="LIMITS.personLb.max"
          :step="5"
        />
        <Stepper
          v-model="bags"
          :label="say('hangar.bags')"
          unit="lb"
          :min="LIMITS.bagsLb.min"
          :max="LIMITS.bagsLb.max"
          :step="5"
        />
        <Stepper
          v-model="fuel"
          :label="say('hangar.fuel')"
          unit="gal"
          :min="LIMITS.fuelGal.min"
          :max="LIMITS.fuelGal.max"
        />
      </div>
      <div class="flex gap-2">
        <button type="button" class="button" :disabled="people.length >= 6" @click="people.push(170)">
          {{ say('hangar.one-more-person') }}
        </button>
        <button type="button" class="button" :disabled="people.length < 2" @click="people.pop()">
          {{ say('hangar.one-fewer') }}
        </button>
      </div>
      <p v-if="load" role="status" class="font-bold" :class="load.over_lb > 0 ? 'text-fail-ink' : ''">
        {{ load.words }}
      </p>
    </template>
    <p v-else>{{ say('hangar.keep-the-aircraft-first') }}</p>
    <TablePaste v-model="draft.landing_table as never" kind="landing" :may-change="mayChange" />
    <TablePaste v-model="draft.takeoff_table as never" kind="takeoff" :may-change="mayChange" />
    <p
      v-for="(text, field) in fields"
      v-show="String(field).includes('table')"
      :key="field"
      class="font-bold text-fail-ink"
    >
      {{ text }}
    </p>
  </section>
</template>
