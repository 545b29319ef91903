<script setup lang="ts">
/** The school at a glance: who is ready, close, stuck, stale, and what costs most. */
import { say } from '@/said'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { overviewQuery } from '@/api/queries'
import type { LandingKind } from '@/api/types'
import BackupNotice from '@/components/BackupNotice.vue'
import Loading from '@/components/Loading.vue'
import { READY_LABEL } from '@/record/words'
import { day, LANDING_LABEL, percent, round, signed } from '@/words'

const overview = useQuery(overviewQuery)
const one = computed(() => overview.data.value)
const wanted = ref('')
const kinds = computed(() =>
  (Object.keys(LANDING_LABEL) as LandingKind[]).filter((kind) =>
    one.value?.students.some((student) => student.kinds.some((line) => line.landing === kind)),
  ),
)
const students = computed(() =>
  (one.value?.students ?? []).filter((student) =>
    student.name.toLowerCase().includes(wanted.value.trim().toLowerCase()),
  ),
)
const GROUPS = [
  [say('students.stuck'), say('students.stuck-20-landings-and-not')],
  ['stale', say('students.stale')],
  ['close', say('common.close')],
  ['at_standard', say('students.at-standard-in-something')],
  ['begun', say('students.begun')],
] as const
const costs = computed(() =>
  [
    { title: say('students.runways'), rows: one.value?.fields ?? [] },
    { title: say('students.wind-across'), rows: one.value?.winds ?? [] },
    { title: say('common.aircraft'), rows: one.value?.aircraft ?? [] },
    { title: say('students.hour-of-the-day'), rows: one.value?.hours ?? [] },
  ].filter((part) => part.rows.length),
)
const cell = (student: NonNullable<typeof one.value>['students'][number], kind: LandingKind) =>
  student.kinds.find((line) => line.landing === kind)
</script>

<template>
  <Loading v-if="!one" :error="overview.error.value" :retry="overview.refetch" />
  <div v-else class="space-y-4">
    <div class="flex flex-wrap items-center gap-3">
      <h1 class="text-2xl font-bold">{{ say('common.students') }}</h1>
      <span class="text-soft">
        {{
          say('students.sorties-flown-in-30-days', {
            sorties_this_month: one.sorties_this_month,
            sorties_last_month: one.sorties_last_month,
            signed_this_month: one.signed_this_month,
          })
        }}
      </span>
      <span class="flex-1" />
      <label for="who" class="sr-only">{{ say('students.find-a-student') }}</label>
      <input
        id="who"
        v-model="wanted"
        type="search"
        class="field !w-48"
        :placeholder="say('students.find-a-student')"
      />
      <a class="button" href="/api/overview.csv">{{ say('common.csv') }}</a>
      <a class="button" href="/api/overview.pdf">{{ say('common.pdf') }}</a>
    </div>
    <BackupNotice />
    <section class="grid gap-2 sm:grid-cols-2 lg:grid-cols-5" :aria-label="say('students.who-stands-where')">
      <div v-for="[group, label] in GROUPS" :key="group" class="panel">
        <p class="heading">{{ label }}</p>
        <p class="figure text-3xl">{{ one.groups[group]?.length ?? 0 }}</p>
        <p class="text-sm">{{ (one.groups[group] ?? []).slice(0, 6).join(', ') }}</p>
      </div>
    </section>
    <section class="panel overflow-x-auto" :aria-label="say('students.every-student')" tabindex="0">
      <table class="w-full text-left">
        <thead>
          <tr class="border-b border-line text-sm text-soft">
            <th class="py-1 pr-3">{{ say('common.student') }}</th>
            <th v-for="kind in kinds" :key="kind" class="px-2">{{ LANDING_LABEL[kind] }}</th>
            <th class="pl-2 text-right">{{ say('students.last-flown') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="student in students" :key="student.id" class="border-b border-line align-top">
            <td class="py-2 pr-3">
              <RouterLink
                :to="`/students/${student.id}`"
                class="flex min-h-11 flex-col justify-center font-bold underline"
              >
                {{ student.name }}
              </RouterLink>
              <span class="text-sm text-soft">{{ student.standard }}</span>
            </td>
            <td v-for="kind in kinds" :key="kind" class="px-2 py-2">
              <template v-if="cell(student, kind)">
                <span
                  class="block font-bold"
                  :class="{
                    'text-pass-ink': cell(student, kind)!.state === 'at_standard',
                    'text-fail-ink': cell(student, kind)!.is_stuck,
                  }"
                >
                  {{ cell(student, kind)!.is_stuck ? say('students.stuck') : READY_LABEL[cell(student, kind)!.state]
                  }}{{ cell(student, kind)!.is_stale ? say('students.and-stale') : '' }}
                </span>
                <span class="figure block">
                  {{ cell(student, kind)!.chance === null ? '–' : percent(cell(student, kind)!.chance!)
                  }}<span class="ml-1 font-sans text-sm text-soft">{{
                    say('students.of', { judged: cell(student, kind)!.judged })
                  }}</span>
                </span>
                <span v-if="cell(student, kind)!.not_judged.length" class="block text-sm">
                  <b>?</b> {{ say('students.not-known', { not_judged: cell(student, kind)!.not_judged.join(', ') }) }}
                </span>
                <span v-if="cell(student, kind)!.mean_ft !== null" class="block text-sm text-soft">
                  {{ signed(cell(student, kind)!.mean_ft, 10) }} ±
                  {{ cell(student, kind)!.scatter_ft === null ? '?' : round(cell(student, kind)!.scatter_ft, 10) }} ft
                </span>
              </template>
              <span v-else class="text-soft">·</span>
            </td>
            <td class="py-2 pl-2 text-right">
              {{ student.last_flown_on ? day(student.last_flown_on) : say('students.never') }}
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="!students.length" class="text-soft">{{ say('students.no-student-of-that-name') }}</p>
      <p v-if="one.left_out" class="mt-1 font-bold">
        {{ say('students.more-students-are-not-shown', { left_out: one.left_out }) }}
      </p>
      <p class="mt-2 text-sm text-soft">
        {{ say('students.the-figure-is-the-chance') }}
      </p>
    </section>
    <section class="panel" aria-labelledby="costs">
      <h2 id="costs" class="text-lg font-bold">{{ say('students.where-landings-miss-most') }}</h2>
      <p v-if="!costs.length" class="text-soft">{{ say('students.too-few-landings-to-say') }}</p>
      <div class="mt-1 grid gap-4 md:grid-cols-2 lg:grid-cols-4">
        <div v-for="{ title, rows } in costs" :key="title">
          <h3 class="heading">{{ title }}</h3>
          <ul>
            <li v-for="row in rows" :key="row.name" class="py-0.5">
              {{ row.name }}: <span class="figure">{{ percent(row.hit_rate) }}</span>
              {{ say('students.in-the-window') }}
              <span class="text-sm text-soft">
                {{
                  say('students.to-landings', {
                    low: percent(row.low),
                    high: percent(row.high),
                    landings: row.landings,
                  })
                }}
              </span>
            </li>
          </ul>
        </div>
      </div>
      <p class="mt-2 text-sm text-soft">
        {{ say('students.each-is-drawn-towards-the') }}
      </p>
    </section>
    <section v-if="one.needed.length" class="panel" aria-labelledby="needed">
      <h2 id="needed" class="text-lg font-bold">{{ say('students.laps-before-it-was-signed') }}</h2>
      <ul>
        <li v-for="row in one.needed" :key="`${row.name} ${row.by}`">
          {{ row.name
          }}{{
            row.by
              ? `, ${row.by.startsWith('by') ? say('common.signed') + ' ' : say('common.flown') + ' '}${row.by}`
              : ''
          }}: <span class="figure">{{ round(row.laps) }}</span> {{ say('students.laps') }}
          <span class="text-sm text-soft">{{
            say('students.to-signed', { low: round(row.low), high: round(row.high), row: row.signed })
          }}</span>
        </li>
      </ul>
      <p class="text-sm text-soft">
        {{ say('students.told-from-four-signatures-on') }}
      </p>
    </section>
  </div>
</template>
