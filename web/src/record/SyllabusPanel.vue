<script setup lang="ts">
/** Every exercise by group: where the student stands in it, and what an instructor notes or signs there. */
import { say } from '@/said'
import { computed } from 'vue'
import type { Standing } from '@/api/types'
import { GROUP_LABEL, STATE_LABEL, STATE_SIGN, STATE_TONE } from '@/record/words'
import { day } from '@/words'

const props = defineProps<{ standings: readonly Standing[]; mayCoach: boolean }>()
defineEmits<{ sign: [standing: Standing | null]; note: [standing: Standing, noted: 'introduced' | 'practised'] }>()
const groups = computed(() => {
  const found = new Map<Standing['group'], Standing[]>()
  for (const standing of props.standings) {
    found.set(standing.group, [...(found.get(standing.group) ?? []), standing])
  }
  return [...found].map(([group, rows]) => ({ group, rows }))
})
const needNames = (standing: Standing) =>
  standing.needs.map((code) => props.standings.find((other) => other.code === code)?.name ?? code).join(', ')
</script>

<template>
  <section class="panel" aria-labelledby="syllabus">
    <div class="flex flex-wrap items-center gap-3">
      <h2 id="syllabus" class="flex-1 text-lg font-bold">{{ say('common.syllabus') }}</h2>
      <button v-if="mayCoach" type="button" class="button" @click="$emit('sign', null)">
        {{ say('record.sign-solo-check-out-or') }}
      </button>
    </div>
    <div v-for="{ group, rows } in groups" :key="group" class="mt-2">
      <h3 class="heading">{{ GROUP_LABEL[group] }}</h3>
      <ul class="divide-y divide-line">
        <li v-for="row in rows" :key="row.code" class="flex flex-wrap items-center gap-x-3 gap-y-1 py-1">
          <span class="w-6 text-center text-lg" aria-hidden="true">{{ STATE_SIGN[row.state] }}</span>
          <span class="min-w-0 flex-1">
            <b>{{ row.name }}</b>
            <span class="block text-sm" :class="STATE_TONE[row.state]">
              {{ STATE_LABEL[row.state]
              }}<template v-if="row.latest_on">{{
                say('record.latest-on', { latest_on: day(row.latest_on) })
              }}</template>
              <template v-if="row.state === 'not_begun' && row.needs.length">{{
                say('record.first', { row: needNames(row) })
              }}</template>
            </span>
          </span>
          <template v-if="mayCoach">
            <button
              v-if="!row.landing && (row.state === 'not_begun' || row.state === 'introduced')"
              type="button"
              class="button !px-3"
              @click="$emit('note', row, row.state === 'not_begun' ? 'introduced' : 'practised')"
            >
              {{ row.state === 'not_begun' ? say('record.introduced') : say('record.practised') }}
            </button>
            <button
              v-if="row.state !== 'signed' && row.state !== 'not_begun'"
              type="button"
              class="button !px-3"
              :aria-label="say('record.sign-exercise', { name: row.name })"
              @click="$emit('sign', row)"
            >
              {{ say('record.sign') }}
            </button>
          </template>
        </li>
      </ul>
    </div>
  </section>
</template>
