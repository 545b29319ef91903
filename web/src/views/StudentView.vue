<script setup lang="ts">
/** The page of a student: in ten seconds where they stand, why, and what to fly; then each kind, the syllabus, the days. */
import { say } from '@/said'
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { api } from '@/api/calls'
import { catalogueQuery, recordQuery, sessionQuery } from '@/api/queries'
import type { Standing } from '@/api/types'
import Loading from '@/components/Loading.vue'
import { useWrite } from '@/composables/useWrite'
import { device, type Proposal } from '@/offline/device'
import HomeworkPanel from '@/record/HomeworkPanel.vue'
import KindCard from '@/record/KindCard.vue'
import MarksPanel from '@/record/MarksPanel.vue'
import PracticePanel from '@/record/PracticePanel.vue'
import Proposals from '@/record/Proposals.vue'
import SignDialog from '@/record/SignDialog.vue'
import SignedPanel from '@/record/SignedPanel.vue'
import SyllabusPanel from '@/record/SyllabusPanel.vue'
import TaskTable from '@/record/TaskTable.vue'
import TimelinePanel from '@/record/TimelinePanel.vue'
import { day, LANDING_LABEL, round, today } from '@/words'

const route = useRoute()
const router = useRouter()
const client = useQueryClient()
const id = Number(route.params.id)
const session = useQuery(sessionQuery)
const mayCoach = computed(() => session.data.value?.person?.role !== 'student')
const standardId = ref<number | null>(null)
const record = useQuery(computed(() => ({ ...recordQuery(id, standardId.value), placeholderData: keepPreviousData })))
const catalogue = useQuery(catalogueQuery)
const one = computed(() => record.data.value)

const refresh = () => client.invalidateQueries({ queryKey: ['record', id] })
const { write, problem, fields } = useWrite({ refresh, otherwise: say('common.not-kept') })
const signing = ref(false)
const toSign = ref<Standing | null>(null)
const toCorrect = ref<{ id: string; name: string } | null>(null)
function beginSigning(standing: Standing | null, corrects: { id: string; name: string } | null = null) {
  toSign.value = standing
  toCorrect.value = corrects
  noted.value = null
  signing.value = true
}
/** What was noted without a network is signed like anything else, and then waits no longer. */
const noted = ref<Proposal | null>(null)
function signNoted(proposal: Proposal) {
  const standing = one.value?.standings.find((row) => row.landing === proposal.landing) ?? null
  beginSigning(standing)
  noted.value = proposal
}
async function hasSigned() {
  if (noted.value) await device.proposals.delete(noted.value.id)
  noted.value = null
  await refresh()
}
function note(standing: Standing, noted: 'introduced' | 'practised') {
  void write({
    call: () => api.noteExercise(id, { code: standing.code, noted, noted_on: today(), words: null }),
    undo: { what: `${standing.name} ${noted}`, back: (answer) => api.takeNoteBack(id, answer.id) },
  })
}
async function makeSortie() {
  const written = await write({
    call: () => api.makeNextSortie(id, today()),
    undo: { what: say('student.the-sortie'), back: (answer) => api.removeSortie(answer.id) },
  })
  if (written) await router.push({ name: 'prepare', params: { id: written.answer.id } })
}
async function makeMockTest() {
  const written = await write({
    call: () => api.mockTest(id, today(), standardId.value),
    undo: { what: say('student.the-mock-test'), back: (answer) => api.removeSortie(answer.id) },
  })
  // its wind first: without one no task has an aim point
  if (written) await router.push({ name: 'prepare', params: { id: written.answer.id } })
}
watch(one, (now) => {
  if (now) document.title = say('student.bullseye', { name: now.name })
})
</script>
<template>
  <Loading v-if="!one" :error="record.error.value" :retry="record.refetch" />
  <div v-else class="space-y-4">
    <header class="grid gap-3 lg:grid-cols-[1fr_22rem]">
      <section class="panel" :aria-label="say('student.in-short')">
        <div class="flex flex-wrap items-baseline gap-x-4">
          <h1 class="text-3xl font-bold">{{ one.name }}</h1>
          <span class="text-soft">
            {{
              one.last_flown_on
                ? say('common.last-flew', { last_flown_on: day(one.last_flown_on) })
                : say('common.has-not-flown-yet')
            }}
          </span>
          <span class="text-soft">{{ one.stage }}</span>
        </div>
        <ul class="mt-2 space-y-1 text-lg">
          <li class="flex gap-2"><span aria-hidden="true">✓</span>{{ one.holds }}</li>
          <li class="flex gap-2"><span aria-hidden="true">◑</span>{{ one.holds_not }}</li>
          <li class="flex gap-2">
            <span aria-hidden="true">▸</span><b>{{ one.next }}</b>
          </li>
        </ul>
      </section>
      <section class="panel text-sm" :aria-label="say('student.limits-and-dates')">
        <ul class="space-y-1">
          <li v-for="rule in one.currency" :key="rule.name">
            <span aria-hidden="true" class="mr-1">{{ rule.holds ? '✓' : '✕' }}</span>
            <span :class="rule.holds ? '' : 'font-bold text-fail-ink'"> {{ rule.words }}</span>
            <span class="text-soft"> ({{ rule.source }})</span>
          </li>
          <li>
            {{
              say('student.crosswind-alone', {
                school_crosswind_limit_kt:
                  one.crosswind_limit_kt !== null
                    ? say('student.kt-set-for-this-student', { crosswind_limit_kt: round(one.crosswind_limit_kt) })
                    : one.school_crosswind_limit_kt !== null
                      ? say('student.kt-the-schools', {
                          school_crosswind_limit_kt: round(one.school_crosswind_limit_kt),
                        })
                      : say('student.no-limit-set'),
              })
            }}
          </li>
          <li>
            <template v-if="one.booking">
              {{ say('common.booked') }}
              <RouterLink class="underline" :to="{ name: 'landing', params: { id: one.booking.id } }">
                {{ [day(one.booking.planned_on), one.booking.planned_time?.slice(0, 5)].filter(Boolean).join(' ') }},
                {{ LANDING_LABEL[one.booking.landing] }}</RouterLink
              >
            </template>
            <template v-else>{{ say('student.nothing-is-booked') }}</template>
          </li>
        </ul>
        <label class="mt-2 block">
          <span class="heading">{{ say('student.judged-by') }}</span>
          <select v-model="standardId" class="field">
            <option :value="null">
              {{ say('student.as-last-flown', { standard: one.standard, edition: one.edition }) }}
            </option>
            <option v-for="row in catalogue.data.value?.standards" :key="row.id" :value="row.id">
              {{ row.name }} ({{ row.spec.edition }})
            </option>
          </select>
        </label>
        <p class="text-soft">{{ say('student.switching-judges-the-same-laps', { source: one.source }) }}</p>
      </section>
    </header>
    <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ Object.values(fields)[0] ?? problem }}</p>

    <Proposals
      v-if="mayCoach && session.data.value?.person"
      :student-id="id"
      :person-id="session.data.value.person.id"
      @sign="signNoted"
    />
    <section class="panel" aria-labelledby="next">
      <div class="flex flex-wrap items-center gap-3">
        <h2 id="next" class="flex-1 text-lg font-bold">{{ say('student.next-lesson') }}</h2>
        <button v-if="mayCoach && one.lesson.items.length" type="button" class="button button-main" @click="makeSortie">
          {{ say('student.make-this-sortie-for-today') }}
        </button>
        <button v-if="mayCoach" type="button" class="button" @click="makeMockTest">
          {{ say('student.mock-test-today') }}
        </button>
      </div>
      <p v-if="one.lesson_for" class="text-sm text-soft">
        {{
          one.lesson_for.is_booked
            ? say('student.for-what-is-booked-minutes', {
                aircraft: one.lesson_for.aircraft,
                place: one.lesson_for.place,
                booked_min: round(one.lesson_for.booked_min),
                crosswind_kt:
                  one.lesson_for.crosswind_kt === null
                    ? say('student.its-wind-is-not-known')
                    : say('student.kt-across', { crosswind_kt: round(Math.abs(one.lesson_for.crosswind_kt)) }),
              })
            : say('student.as-last-flown-nothing-is', {
                aircraft: one.lesson_for.aircraft,
                place: one.lesson_for.place,
              })
        }}
      </p>
      <p v-if="!one.lesson.items.length" class="text-soft">{{ say('student.nothing-is-left-to-propose') }}</p>
      <ol class="mt-1 grid gap-2 sm:grid-cols-2 xl:grid-cols-4">
        <li v-for="item in one.lesson.items" :key="item.code" class="rounded-lg border border-line p-2">
          <span class="text-sm text-soft">{{
            {
              warm_up: say('student.to-warm-up'),
              main: say('student.most-to-gain'),
              refresh: say('student.to-refresh'),
              new: say('student.new'),
            }[item.part]
          }}</span>
          <b class="block">{{ item.name }}</b>
          {{ item.why }}
        </li>
      </ol>
      <ul v-if="one.lesson.left_out.length" class="mt-2 text-sm">
        <li v-for="line in one.lesson.left_out" :key="line">
          <b>{{ say('student.not-now') }}</b> {{ line }}
        </li>
      </ul>
    </section>

    <section :aria-label="say('common.landings')">
      <div class="grid gap-3 lg:grid-cols-2">
        <KindCard v-for="kind in one.kinds" :key="kind.landing" :kind="kind" :needed="one.needed_chance" />
      </div>
      <p v-if="one.not_judged.length" class="mt-1 text-sm">
        {{
          say('student.has-no-task-for-choose', {
            standard: one.standard,
            kind: one.not_judged.map((kind) => LANDING_LABEL[kind]).join(', '),
          })
        }}
      </p>
    </section>

    <TaskTable :tasks="one.tasks" :needed="one.needed_chance" />

    <div class="grid gap-4 lg:grid-cols-[1fr_24rem]">
      <SyllabusPanel :standings="one.standings" :may-coach="mayCoach" @sign="beginSigning" @note="note" />
      <div class="space-y-4">
        <HomeworkPanel :student-id="id" :may-coach="mayCoach" />
        <SignedPanel :student-id="id" :may-coach="mayCoach" @correct="beginSigning(null, $event)" />
        <MarksPanel :marks="one.marks" />
        <PracticePanel :student-id="id" />
      </div>
    </div>

    <TimelinePanel :student-id="id" />
    <p class="text-sm text-soft">
      {{ say('student.bullseye-never-says-ready-it') }}
    </p>
    <p v-if="!mayCoach">
      <a class="underline" href="/api/archive/mine.zip">{{ say('student.everything-that-is-kept-of') }}</a>
    </p>
    <SignDialog
      v-model="signing"
      :student-id="id"
      :name="one.name"
      :code="toSign?.code ?? null"
      :code-name="toSign?.name ?? ''"
      :corrects="toCorrect"
      :noted="noted?.words"
      @signed="hasSigned"
    />
  </div>
</template>
