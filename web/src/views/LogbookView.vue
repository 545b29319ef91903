<script setup lang="ts">
/** One's own logbook: lines drafted from sorties, what is unknown is asked; out and in as CSV, on paper as PDF. */
import { say } from '@/said'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api } from '@/api/calls'
import { logbookQuery } from '@/api/queries'
import type { Logbook, LogLine } from '@/api/types'
import Loading from '@/components/Loading.vue'
import { useWrite } from '@/composables/useWrite'
import { day, today } from '@/words'

const client = useQueryClient()
const logbook = useQuery(logbookQuery)
const entries = ref<Logbook['entries']>([])
const after = ref<string | null>(null)
watch(
  logbook.data,
  (now) => {
    entries.value = now?.entries ?? []
    after.value = now?.after ?? null
  },
  { immediate: true },
)
async function more() {
  const page = await api.logbook({ after: after.value ?? '' })
  entries.value = [...entries.value, ...page.entries]
  after.value = page.after
}
const totals = computed(() => logbook.data.value?.totals)
const hours = (minutes: number) => `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`
const { write, problem, fields, isBusy, clear } = useWrite({
  refresh: () => client.invalidateQueries({ queryKey: logbookQuery.queryKey }),
  otherwise: say('logbook.the-line-was-not-written'),
})
const line = ref<LogLine | null>(null)
const sortieId = ref<number | null>(null)
const exercises = ref('')
const NUMBERS = [
  ['block_min', say('logbook.block-minutes')],
  ['flight_min', say('logbook.flight-minutes')],
  ['night_min', say('logbook.of-it-by-night')],
  ['takeoffs_day', say('logbook.takeoffs-day')],
  ['takeoffs_night', say('logbook.takeoffs-night')],
  ['landings_day', say('logbook.landings-day')],
  ['landings_night', say('logbook.landings-night')],
] as const
const WORDS = [
  ['aircraft', say('common.aircraft')],
  ['registration', say('logbook.registration')],
  ['from_field', say('logbook.from')],
  ['to_field', say('logbook.to')],
  ['with_person', say('logbook.with')],
] as const
async function draft(id: number) {
  clear()
  const found = await api.draftLine(id)
  line.value = { ...found.line }
  sortieId.value = id
  exercises.value = (found.line.exercises ?? []).join('; ')
}
function blank() {
  clear()
  line.value = { flown_on: today(), aircraft: '', role: 'pic' }
  sortieId.value = null
  exercises.value = ''
}
async function keep() {
  const plain = Object.fromEntries(
    Object.entries(line.value!).map(([name, value]) => [name, value === '' && name !== 'remarks' ? null : value]),
  ) as LogLine
  const given = exercises.value
    .split(';')
    .map((one) => one.trim())
    .filter(Boolean)
  const written = await write({
    call: () => api.writeLine({ ...plain, exercises: given }, sortieId.value),
    undo: { what: say('logbook.the-line'), back: (answer) => api.removeLine(answer.id) },
  })
  if (written) line.value = null
}
function remove(id: number) {
  void write({
    call: () => api.removeLine(id),
    undo: { what: say('logbook.taking-a-line-away'), back: () => api.bringLineBack(id) },
  })
}
const taken = ref('')
const problems = ref<string[]>([])
async function takeIn(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  const text = await file.text()
  const written = await write({ call: () => api.takeInLogbook(text) })
  if (!written) return
  const { written: number, there_already: there, problems: told } = written.answer
  taken.value = say('logbook.lines-written-there-already-not', { number, there, told: told.length })
  problems.value = told
}
</script>

<template>
  <Loading v-if="!logbook.data.value || !totals" :error="logbook.error.value" :retry="logbook.refetch" />
  <div v-else class="space-y-4">
    <div class="flex flex-wrap items-center gap-2">
      <h1 class="flex-1 text-2xl font-bold">{{ say('common.logbook') }}</h1>
      <a class="button" href="/api/logbook/logbook.csv">{{ say('common.csv') }}</a>
      <a class="button" href="/api/logbook/logbook.pdf">{{ say('common.pdf') }}</a>
      <label class="button cursor-pointer">
        {{ say('logbook.take-in-csv') }}<input type="file" accept=".csv,text/csv" class="sr-only" @change="takeIn" />
      </label>
      <button type="button" class="button" @click="blank">{{ say('logbook.write-a-line') }}</button>
    </div>
    <p v-if="taken" role="status">{{ taken }}</p>
    <ul v-if="problems.length" class="text-sm">
      <li v-for="one in problems" :key="one">{{ one }}</li>
    </ul>
    <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ Object.values(fields)[0] ?? problem }}</p>
    <section
      v-if="logbook.data.value.not_written.length"
      class="panel"
      :aria-label="say('logbook.flown-not-in-the-logbook')"
    >
      <h2 class="font-bold">{{ say('logbook.flown-not-written-yet') }}</h2>
      <div class="mt-1 flex flex-wrap gap-2">
        <button
          v-for="one in logbook.data.value.not_written"
          :key="one.sortie_id"
          type="button"
          class="button"
          @click="draft(one.sortie_id)"
        >
          {{ say('logbook.laps', { planned_on: day(one.planned_on), laps: one.laps }) }}
        </button>
      </div>
    </section>
    <form v-if="line" class="panel space-y-3" :aria-label="say('logbook.heading-the-line')" @submit.prevent="keep">
      <p v-if="sortieId">{{ say('logbook.from-the-sortie-what-nobody') }}</p>
      <div class="grid gap-2 sm:grid-cols-3 lg:grid-cols-6">
        <label class="block"
          ><span class="heading">{{ say('common.date') }}</span
          ><input v-model="line.flown_on" type="date" class="field" required
        /></label>
        <label v-for="[name, label] in WORDS" :key="name" class="block">
          <span class="heading">{{ label }}</span>
          <input v-model="line[name]" class="field" maxlength="80" :required="name === 'aircraft'" />
        </label>
        <label class="block">
          <span class="heading">{{ say('logbook.as') }}</span>
          <select v-model="line.role" class="field">
            <option value="dual">{{ say('logbook.dual') }}</option>
            <option value="solo">{{ say('logbook.solo') }}</option>
            <option value="pic">{{ say('logbook.pilot-in-command') }}</option>
            <option value="instructor">{{ say('logbook.instructor') }}</option>
          </select>
        </label>
        <label v-for="[name, label] in NUMBERS" :key="name" class="block">
          <span class="heading">{{ label }}</span>
          <input
            v-model.number="line[name]"
            type="number"
            min="0"
            max="1440"
            class="field"
            :placeholder="say('common.not-known')"
          />
        </label>
        <label class="block sm:col-span-2"
          ><span class="heading">{{ say('logbook.exercises-several-with') }}</span
          ><input v-model="exercises" class="field"
        /></label>
        <label class="block sm:col-span-3"
          ><span class="heading">{{ say('logbook.remarks') }}</span
          ><input v-model="line.remarks" class="field" maxlength="400"
        /></label>
      </div>
      <div class="flex gap-2">
        <button type="submit" class="button button-main" :disabled="isBusy">{{ say('logbook.write-it') }}</button>
        <button type="button" class="button" @click="line = null">{{ say('common.back') }}</button>
      </div>
    </form>
    <section class="panel" :aria-label="say('logbook.totals')">
      <p class="flex flex-wrap gap-x-6">
        <span
          ><span class="figure text-2xl">{{ totals.flights }}</span>
          {{ say('logbook.flights', { flights: totals.flights }) }}</span
        >
        <span
          ><span class="figure text-2xl">{{ hours(totals.block_min) }}</span> {{ say('logbook.block') }}</span
        >
        <span
          ><span class="figure text-2xl">{{ totals.landings }}</span>
          {{ say('logbook.landings-by-night', { landings_night: totals.landings_night }) }}</span
        >
        <span v-for="(minutes, role) in totals.by_role_min" :key="role"
          >{{ role }} <span class="figure">{{ hours(minutes) }}</span></span
        >
      </p>
      <p v-if="totals.not_counted" class="text-sm">
        {{ say('logbook.flights-have-no-block-time', { not_counted: totals.not_counted }) }}
      </p>
    </section>
    <section class="panel overflow-x-auto" :aria-label="say('logbook.lines')" tabindex="0">
      <p v-if="!entries.length" class="text-soft">{{ say('logbook.no-line-yet-tap-a') }}</p>
      <table v-else class="w-full min-w-[56rem] text-left">
        <thead>
          <tr class="border-b border-line text-sm text-soft">
            <th class="py-1">{{ say('common.date') }}</th>
            <th>{{ say('common.aircraft') }}</th>
            <th>{{ say('logbook.from-to') }}</th>
            <th class="text-right">{{ say('logbook.heading-block') }}</th>
            <th class="pl-3">{{ say('logbook.as') }}</th>
            <th class="text-right">{{ say('logbook.landings-d-n') }}</th>
            <th class="pl-3">{{ say('logbook.exercises-remarks') }}</th>
            <th></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="{ id, line: one, unknown } in entries" :key="id" class="border-b border-line align-top">
            <td class="whitespace-nowrap py-1">{{ one.flown_on }}</td>
            <td>{{ one.aircraft }} {{ one.registration }}</td>
            <td>{{ one.from_field ?? '–' }} – {{ one.to_field ?? '–' }}</td>
            <td class="figure text-right">{{ one.block_min == null ? '–' : hours(one.block_min) }}</td>
            <td class="pl-3">
              {{ one.role }}<template v-if="one.with_person">, {{ one.with_person }}</template>
            </td>
            <td class="figure text-right">{{ one.landings_day ?? '–' }} / {{ one.landings_night ?? '–' }}</td>
            <td class="pl-3">
              {{ (one.exercises ?? []).join('; ') }} {{ one.remarks }}
              <span v-if="unknown.length" class="block text-sm">{{
                say('logbook.not-known', { columns: unknown.join(', ').replaceAll('_', ' ') })
              }}</span>
            </td>
            <td class="text-right">
              <button type="button" class="underline" @click="remove(id)">{{ say('logbook.take-away') }}</button>
            </td>
          </tr>
        </tbody>
      </table>
      <button v-if="after" type="button" class="button mt-2" @click="more">{{ say('common.show-older-ones') }}</button>
    </section>
  </div>
</template>
