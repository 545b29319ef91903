<script setup lang="ts">
/** How a CSV file is read: shown over its first rows, put right by hand, remembered for its device. */
import { say } from '@/said'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api } from '@/api/calls'
import type { CsvColumns } from '@/api/types'
import Loading from '@/components/Loading.vue'
import Stepper from '@/components/Stepper.vue'

type Role = CsvColumns['columns'][number]['role']
const props = defineProps<{ fileId: string }>()
const emit = defineEmits<{ read: [columns: CsvColumns] }>()
const shown = useQuery({ queryKey: ['track', props.fileId, 'columns'], queryFn: () => api.trackColumns(props.fileId) })
const ROLE_LABEL: Record<Role, string> = {
  time: say('common.time'),
  date: say('common.date'),
  utc_offset: say('replay.hours-ahead-of-utc'),
  latitude: say('replay.latitude'),
  longitude: say('replay.longitude'),
  height: say('replay.height'),
  speed: say('replay.groundspeed'),
  course: say('replay.course-over-the-ground'),
  airspeed: say('replay.airspeed'),
  heading: say('replay.heading-true'),
  pitch: say('replay.pitch'),
  bank: say('replay.bank'),
  vertical_speed: say('replay.vertical-speed'),
  on_ground: say('replay.wheels-on-the-ground'),
}
const ROLES = Object.keys(ROLE_LABEL) as Role[]
const NEEDED: readonly Role[] = ['time', 'latitude', 'longitude']
const roles = ref<Record<number, Role | ''>>({})
const units = ref<Record<number, string>>({})
const decimal = ref<'.' | ','>('.')
const firstRow = ref(1)
const offsetHours = ref(0)
watch(
  () => shown.data.value,
  (now) => {
    if (!now) return
    roles.value = Object.fromEntries((now.columns?.columns ?? []).map((one) => [one.index, one.role]))
    units.value = Object.fromEntries((now.columns?.columns ?? []).map((one) => [one.index, one.unit ?? '']))
    decimal.value = now.columns?.decimal ?? '.'
    firstRow.value = now.columns?.first_row ?? 1
    offsetHours.value = (now.columns?.utc_offset_min ?? 0) / 60
  },
  { immediate: true },
)
const widest = computed(() => Math.max(0, ...(shown.data.value?.rows ?? []).map((row) => row.length)))
const unitsOf = (index: number) =>
  roles.value[index] ? ((shown.data.value?.units as Record<string, string[]>)[roles.value[index] as string] ?? []) : []
const missing = computed(() => NEEDED.filter((role) => !Object.values(roles.value).includes(role)))
const twice = computed(() => {
  const given = Object.values(roles.value).filter(Boolean)
  return given.find((role, k) => given.indexOf(role) !== k)
})
function read() {
  const columns = Object.entries(roles.value)
    .filter(([, role]) => role)
    .map(([index, role]) => ({
      role: role as Role,
      index: Number(index),
      unit: units.value[Number(index)] || null,
    }))
  emit('read', {
    separator: shown.data.value!.separator as CsvColumns['separator'],
    decimal: decimal.value,
    first_row: firstRow.value,
    columns,
    utc_offset_min: Math.round(offsetHours.value * 60),
  })
}
</script>

<template>
  <section class="panel space-y-3" :aria-label="say('replay.columns-of-the-file')">
    <h2 class="text-lg font-bold">{{ say('replay.what-the-columns-are') }}</h2>
    <Loading v-if="!shown.data.value" :error="shown.error.value" :retry="shown.refetch" />
    <template v-else>
      <p>
        {{ say('replay.say-what-each-column-holds') }}
      </p>
      <div class="overflow-x-auto" tabindex="0">
        <table class="text-left text-sm">
          <thead>
            <tr>
              <th v-for="index in widest" :key="index" class="min-w-40 p-1 align-top">
                <select v-model="roles[index - 1]" class="field" :aria-label="say('replay.column-is', { index })">
                  <option :value="undefined">{{ say('replay.not-used') }}</option>
                  <option v-for="role in ROLES" :key="role" :value="role">{{ ROLE_LABEL[role] }}</option>
                </select>
                <select
                  v-if="unitsOf(index - 1).length"
                  v-model="units[index - 1]"
                  class="field mt-1"
                  :aria-label="say('replay.unit-of-column', { index })"
                >
                  <option value="">{{ say('replay.unit-as-the-heading-says') }}</option>
                  <option v-for="unit in unitsOf(index - 1)" :key="unit" :value="unit">{{ unit }}</option>
                </select>
              </th>
            </tr>
          </thead>
          <tbody class="figure">
            <tr
              v-for="(row, k) in shown.data.value.rows"
              :key="k"
              class="border-b border-line"
              :class="k < firstRow ? 'text-soft' : ''"
            >
              <td v-for="index in widest" :key="index" class="whitespace-nowrap p-1">{{ row[index - 1] ?? '' }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <div class="flex flex-wrap items-end gap-4">
        <label>
          <span class="heading block">{{ say('replay.decimals-are-written-with-a') }}</span>
          <select v-model="decimal" class="field !w-auto">
            <option value=".">{{ say('replay.point') }}</option>
            <option value=",">{{ say('replay.comma') }}</option>
          </select>
        </label>
        <Stepper
          :model-value="firstRow"
          :label="say('replay.rows-before-the-figures')"
          unit=""
          :min="0"
          :max="100"
          class="w-64"
          @update:model-value="firstRow = $event ?? 0"
        />
        <Stepper
          :model-value="offsetHours"
          :label="say('replay.its-times-are-ahead-of')"
          unit="h"
          :min="-15"
          :max="15"
          :step="0.5"
          class="w-64"
          @update:model-value="offsetHours = $event ?? 0"
        />
        <button type="button" class="button button-main" :disabled="missing.length > 0 || !!twice" @click="read">
          {{ say('replay.read-it-so') }}
        </button>
      </div>
      <p v-if="missing.length" class="font-bold">
        {{ say('replay.still-to-be-named', { role: missing.map((role) => ROLE_LABEL[role]).join(', ') }) }}
      </p>
      <p v-if="twice" role="alert" class="font-bold text-fail-ink">
        {{ say('replay.stands-twice', { role: ROLE_LABEL[twice as Role] }) }}
      </p>
    </template>
  </section>
</template>
