<script setup lang="ts">
/** The syllabus: exercises in teaching order, what each needs first; the chief adds, orders, changes and retires. */
import { say } from '@/said'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api } from '@/api/calls'
import { sessionQuery, syllabusQuery } from '@/api/queries'
import type { Exercise } from '@/api/types'
import Loading from '@/components/Loading.vue'
import { useWrite } from '@/composables/useWrite'
import { saveFile } from '@/files'
import { GROUP_LABEL } from '@/record/words'
import { LANDING_LABEL, TAKEOFF_LABEL } from '@/words'

const client = useQueryClient()
const session = useQuery(sessionQuery)
const isChief = computed(() => session.data.value?.person?.role === 'chief')
const kept = useQuery(syllabusQuery)
const rows = ref<Exercise[]>([])
const open = ref<string | null>(null)
watch(kept.data, (now) => (rows.value = structuredClone(JSON.parse(JSON.stringify(now?.exercises ?? [])))), {
  immediate: true,
})
const isChanged = computed(() => JSON.stringify(rows.value) !== JSON.stringify(kept.data.value?.exercises ?? []))
const { write, problem, fields, isBusy } = useWrite({
  refresh: () => client.invalidateQueries({ queryKey: syllabusQuery.queryKey }),
  otherwise: say('syllabus.the-syllabus-was-not-kept'),
})
function move(index: number, by: number) {
  const to = index + by
  if (to < 0 || to >= rows.value.length) return
  const next = [...rows.value]
  next.splice(to, 0, ...next.splice(index, 1))
  rows.value = next
}
function retire(index: number) {
  const code = rows.value[index]!.code
  rows.value = rows.value
    .filter((_, at) => at !== index)
    .map((one) => ({ ...one, needs: one.needs?.filter((need) => need !== code) ?? [] }))
}
function add() {
  let number = rows.value.length + 1
  while (rows.value.some((one) => one.code === `exercise_${number}`)) number += 1
  const code = `exercise_${number}`
  rows.value = [
    ...rows.value,
    {
      code,
      name: say('syllabus.new-exercise'),
      group: 'landing',
      needs: [],
      about: '',
      landing: null,
      takeoff: null,
      outcome: null,
    },
  ]
  open.value = code
}
async function keep() {
  const before = kept.data.value?.exercises ?? []
  await write({
    call: () => api.changeSyllabus(rows.value),
    undo: { what: say('syllabus.changes-to-the-syllabus'), back: () => api.changeSyllabus(before) },
  })
}
function takeOut() {
  saveFile(
    new Blob([JSON.stringify({ exercises: rows.value }, null, 2)], { type: 'application/json' }),
    'syllabus.json',
  )
}
const readProblem = ref('')
async function takeIn(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  const text = await file.text()
  if (!text.trimStart().startsWith('{')) {
    // a table: the server reads it, and keeps it when every row can be read
    const before = kept.data.value?.exercises ?? []
    readProblem.value = ''
    await write({
      call: () => api.takeInSyllabus(text),
      undo: { what: say('syllabus.changes-to-the-syllabus'), back: () => api.changeSyllabus(before) },
    })
    return
  }
  try {
    const read = JSON.parse(text) as { exercises?: Exercise[] }
    if (!Array.isArray(read.exercises)) throw new Error(say('syllabus.no-exercises'))
    rows.value = read.exercises
    readProblem.value = ''
  } catch {
    readProblem.value = say('syllabus.this-file-holds-no-syllabus')
  }
}
const nameOf = (code: string) => rows.value.find((one) => one.code === code)?.name ?? code
</script>

<template>
  <Loading v-if="!kept.data.value" :error="kept.error.value" :retry="kept.refetch" />
  <div v-else class="mx-auto max-w-4xl space-y-3">
    <div class="flex flex-wrap items-center gap-2">
      <h1 class="flex-1 text-2xl font-bold">{{ say('common.syllabus') }}</h1>
      <button type="button" class="button" @click="takeOut">{{ say('syllabus.json') }}</button>
      <a class="button" href="/api/syllabus.csv">{{ say('common.csv') }}</a>
      <template v-if="isChief">
        <label class="button cursor-pointer">
          {{ say('syllabus.take-in-json-or-csv')
          }}<input type="file" accept="application/json,.json,text/csv,.csv" class="sr-only" @change="takeIn" />
        </label>
        <button type="button" class="button" @click="add">{{ say('syllabus.add') }}</button>
        <button type="button" class="button button-main" :disabled="!isChanged || isBusy" @click="keep">
          {{ say('common.keep') }}
        </button>
      </template>
    </div>
    <p class="text-sm text-soft">
      {{
        say('syllabus.in-teaching-order-what-is', {
          is_chief: isChief ? '' : say('syllabus.the-chief-instructor-changes-it'),
        })
      }}
    </p>
    <p v-if="problem || readProblem" role="alert" class="font-bold text-fail-ink">
      {{ readProblem || (Object.values(fields)[0] ?? problem) }}
    </p>
    <ol class="space-y-2">
      <li v-for="(one, index) in rows" :key="one.code" class="panel">
        <div class="flex flex-wrap items-center gap-2">
          <span class="figure w-8 text-soft">{{ index + 1 }}</span>
          <span class="min-w-0 flex-1">
            <b>{{ one.name }}</b> <span class="text-sm text-soft">{{ GROUP_LABEL[one.group] }}</span>
            <span class="block">{{ one.about }}</span>
            <span v-if="one.needs?.length" class="block text-sm text-soft">{{
              say('syllabus.first', { name_of: one.needs.map(nameOf).join(', ') })
            }}</span>
          </span>
          <template v-if="isChief">
            <button
              type="button"
              class="button !px-3"
              :aria-label="say('syllabus.earlier', { name: one.name })"
              @click="move(index, -1)"
            >
              ↑
            </button>
            <button
              type="button"
              class="button !px-3"
              :aria-label="say('syllabus.later', { name: one.name })"
              @click="move(index, 1)"
            >
              ↓
            </button>
            <button
              type="button"
              class="button !px-3"
              :aria-expanded="open === one.code"
              @click="open = open === one.code ? null : one.code"
            >
              {{ say('syllabus.change') }}
            </button>
            <button type="button" class="button !px-3" @click="retire(index)">{{ say('syllabus.retire') }}</button>
          </template>
        </div>
        <div v-if="open === one.code" class="mt-2 grid gap-2 sm:grid-cols-2">
          <label class="block"
            ><span class="heading">{{ say('common.name') }}</span
            ><input v-model="one.name" class="field" maxlength="80"
          /></label>
          <label class="block">
            <span class="heading">{{ say('syllabus.part-of') }}</span>
            <select v-model="one.group" class="field">
              <option v-for="(label, value) in GROUP_LABEL" :key="value" :value="value">{{ label }}</option>
            </select>
          </label>
          <label class="block sm:col-span-2"
            ><span class="heading">{{ say('syllabus.about') }}</span
            ><input v-model="one.about" class="field" maxlength="400"
          /></label>
          <label class="block">
            <span class="heading">{{ say('syllabus.laps-that-show-it-landing') }}</span>
            <select v-model="one.landing" class="field">
              <option :value="null">{{ say('syllabus.none-the-instructor-says') }}</option>
              <option v-for="(label, value) in LANDING_LABEL" :key="value" :value="value">{{ label }}</option>
            </select>
          </label>
          <label class="block">
            <span class="heading">{{ say('syllabus.or-takeoff') }}</span>
            <select v-model="one.takeoff" class="field">
              <option :value="null">{{ say('common.none') }}</option>
              <option v-for="(label, value) in TAKEOFF_LABEL" :key="value" :value="value">{{ label }}</option>
            </select>
          </label>
          <label class="block sm:col-span-2">
            <span class="heading">{{ say('syllabus.needs-first-several-with-ctrl') }}</span>
            <select v-model="one.needs" multiple class="field !h-40">
              <option
                v-for="other in rows.filter((other) => other.code !== one.code)"
                :key="other.code"
                :value="other.code"
              >
                {{ other.name }}
              </option>
            </select>
          </label>
        </div>
      </li>
    </ol>
  </div>
</template>
