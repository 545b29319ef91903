<script setup lang="ts">
/** The page of a student: in ten seconds where they stand, why, and what to fly; then each kind, the syllabus, the days. */
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { api } from '@/api/calls'
import { catalogueQuery, recordQuery, sessionQuery, signOffsQuery } from '@/api/queries'
import type { Standing, Timeline } from '@/api/types'
import Loading from '@/components/Loading.vue'
import { useWrite } from '@/composables/useWrite'
import { MARK_LABEL, type Mark } from '@/marks'
import { device, type Proposal } from '@/offline/device'
import HomeworkPanel from '@/record/HomeworkPanel.vue'
import KindCard from '@/record/KindCard.vue'
import Proposals from '@/record/Proposals.vue'
import SignDialog from '@/record/SignDialog.vue'
import TaskTable from '@/record/TaskTable.vue'
import { GROUP_LABEL, MARK_WORDS, STATE_LABEL, STATE_SIGN, STATE_TONE } from '@/record/words'
import { day, LANDING_LABEL, round, signed, today } from '@/words'

const route = useRoute()
const router = useRouter()
const client = useQueryClient()
const id = Number(route.params.id)
const session = useQuery(sessionQuery)
const mayCoach = computed(() => session.data.value?.person?.role !== 'student')
const standardId = ref<number | null>(null)
const record = useQuery(computed(() => ({ ...recordQuery(id, standardId.value), placeholderData: keepPreviousData })))
const signOffs = useQuery(signOffsQuery(id))
const catalogue = useQuery(catalogueQuery)
const one = computed(() => record.data.value)

const groups = computed(() => {
  const found = new Map<Standing['group'], Standing[]>()
  for (const standing of one.value?.standings ?? []) {
    found.set(standing.group, [...(found.get(standing.group) ?? []), standing])
  }
  return [...found].map(([group, rows]) => ({ group, rows }))
})
const months = computed(() => {
  const found = new Map<string, { mark: string; number: number }[]>()
  for (const { month, mark, number } of one.value?.marks ?? []) {
    found.set(month, [...(found.get(month) ?? []), { mark, number }])
  }
  return [...found].map(([month, rows]) => ({ month, rows: rows.sort((a, b) => b.number - a.number) }))
})
const markWords = (mark: string) => MARK_WORDS[mark] ?? MARK_LABEL[mark as Mark] ?? mark

const lines = ref<Timeline['lines']>([])
const before = ref<number | null>(null)
const isLate = ref(true)
async function more() {
  isLate.value = true
  try {
    const page = await api.timeline(id, before.value)
    lines.value = [...lines.value, ...page.lines]
    before.value = page.before
  } finally {
    isLate.value = false
  }
}
void more()

const refresh = () => client.invalidateQueries({ queryKey: ['record', id] })
const { write, problem, fields } = useWrite({ refresh, otherwise: 'Not kept.' })
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
    undo: { what: 'the sortie', back: (answer) => api.removeSortie(answer.id) },
  })
  if (written) await router.push({ name: 'prepare', params: { id: written.answer.id } })
}
async function makeMockTest() {
  const written = await write({
    call: () => api.mockTest(id, today(), standardId.value),
    undo: { what: 'the mock test', back: (answer) => api.removeSortie(answer.id) },
  })
  // its wind first: without one no task has an aim point
  if (written) await router.push({ name: 'prepare', params: { id: written.answer.id } })
}
const needNames = (standing: Standing) =>
  standing.needs.map((code) => one.value?.standings.find((other) => other.code === code)?.name ?? code).join(', ')
watch(one, (now) => {
  if (now) document.title = `${now.name}: Bullseye`
})
</script>

<template>
  <Loading v-if="!one" :error="record.error.value" :retry="record.refetch" />
  <div v-else class="space-y-4">
    <header class="grid gap-3 lg:grid-cols-[1fr_22rem]">
      <section class="panel" aria-label="In short">
        <div class="flex flex-wrap items-baseline gap-x-4">
          <h1 class="text-3xl font-bold">{{ one.name }}</h1>
          <span class="text-soft">
            {{ one.last_flown_on ? `last flew ${day(one.last_flown_on)}` : 'has not flown yet' }}
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
      <section class="panel text-sm" aria-label="Limits and dates">
        <ul class="space-y-1">
          <li v-for="rule in one.currency" :key="rule.name">
            <span aria-hidden="true">{{ rule.holds ? '✓' : '✕' }}</span>
            <span :class="rule.holds ? '' : 'font-bold text-fail-ink'"> {{ rule.words }}</span>
            <span class="text-soft"> ({{ rule.source }})</span>
          </li>
          <li>
            Crosswind alone:
            {{
              one.crosswind_limit_kt !== null
                ? `${round(one.crosswind_limit_kt)} kt, set for this student`
                : one.school_crosswind_limit_kt !== null
                  ? `${round(one.school_crosswind_limit_kt)} kt, the school’s`
                  : 'no limit set'
            }}
          </li>
          <li>
            <template v-if="one.booking">
              Booked
              <RouterLink class="underline" :to="{ name: 'landing', params: { id: one.booking.id } }">
                {{ [day(one.booking.planned_on), one.booking.planned_time?.slice(0, 5)].filter(Boolean).join(' ') }},
                {{ LANDING_LABEL[one.booking.landing] }}</RouterLink
              >
            </template>
            <template v-else>Nothing is booked.</template>
          </li>
        </ul>
        <label class="mt-2 block">
          <span class="heading">Judged by</span>
          <select v-model="standardId" class="field">
            <option :value="null">{{ one.standard }} ({{ one.edition }}), as last flown</option>
            <option v-for="row in catalogue.data.value?.standards" :key="row.id" :value="row.id">
              {{ row.name }} ({{ row.spec.edition }})
            </option>
          </select>
        </label>
        <p class="text-soft">{{ one.source }}. Switching judges the same laps anew and changes none of them.</p>
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
        <h2 id="next" class="flex-1 text-lg font-bold">Next lesson</h2>
        <button v-if="mayCoach && one.lesson.items.length" type="button" class="button button-main" @click="makeSortie">
          Make this sortie for today
        </button>
        <button v-if="mayCoach" type="button" class="button" @click="makeMockTest">Mock test today</button>
      </div>
      <p v-if="one.lesson_for" class="text-sm text-soft">
        {{
          one.lesson_for.is_booked
            ? `For what is booked: ${one.lesson_for.aircraft}, ${one.lesson_for.place}, ${round(one.lesson_for.booked_min)} minutes; ${
                one.lesson_for.crosswind_kt === null
                  ? 'its wind is not known'
                  : `${round(Math.abs(one.lesson_for.crosswind_kt))} kt across`
              }.`
            : `As last flown: ${one.lesson_for.aircraft}, ${one.lesson_for.place}; nothing is booked, the wind is not known.`
        }}
      </p>
      <p v-if="!one.lesson.items.length" class="text-soft">Nothing is left to propose.</p>
      <ol class="mt-1 grid gap-2 sm:grid-cols-2 xl:grid-cols-4">
        <li v-for="item in one.lesson.items" :key="item.code" class="rounded-lg border border-line p-2">
          <span class="text-sm text-soft">{{
            { warm_up: 'to warm up', main: 'most to gain', refresh: 'to refresh', new: 'new' }[item.part]
          }}</span>
          <b class="block">{{ item.name }}</b>
          {{ item.why }}
        </li>
      </ol>
      <ul v-if="one.lesson.left_out.length" class="mt-2 text-sm">
        <li v-for="line in one.lesson.left_out" :key="line"><b>Not now.</b> {{ line }}</li>
      </ul>
    </section>

    <section aria-label="Landings">
      <div class="grid gap-3 lg:grid-cols-2">
        <KindCard v-for="kind in one.kinds" :key="kind.landing" :kind="kind" :needed="one.needed_chance" />
      </div>
      <p v-if="one.not_judged.length" class="mt-1 text-sm">
        {{ one.standard }} has no task for: {{ one.not_judged.map((kind) => LANDING_LABEL[kind]).join(', ') }}. Choose
        another standard to see them.
      </p>
    </section>

    <TaskTable :tasks="one.tasks" :needed="one.needed_chance" />

    <div class="grid gap-4 lg:grid-cols-[1fr_24rem]">
      <section class="panel" aria-labelledby="syllabus">
        <div class="flex flex-wrap items-center gap-3">
          <h2 id="syllabus" class="flex-1 text-lg font-bold">Syllabus</h2>
          <button v-if="mayCoach" type="button" class="button" @click="beginSigning(null)">
            Sign solo, check-out or test
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
                  {{ STATE_LABEL[row.state] }}<template v-if="row.latest_on">, last {{ day(row.latest_on) }}</template>
                  <template v-if="row.state === 'not_begun' && row.needs.length"
                    >; first: {{ needNames(row) }}</template
                  >
                </span>
              </span>
              <template v-if="mayCoach">
                <button
                  v-if="!row.landing && (row.state === 'not_begun' || row.state === 'introduced')"
                  type="button"
                  class="button !px-3"
                  @click="note(row, row.state === 'not_begun' ? 'introduced' : 'practised')"
                >
                  {{ row.state === 'not_begun' ? 'Introduced' : 'Practised' }}
                </button>
                <button
                  v-if="row.state !== 'signed' && row.state !== 'not_begun'"
                  type="button"
                  class="button !px-3"
                  :aria-label="`Sign ${row.name}`"
                  @click="beginSigning(row)"
                >
                  Sign
                </button>
              </template>
            </li>
          </ul>
        </div>
      </section>
      <div class="space-y-4">
        <HomeworkPanel :student-id="id" :may-coach="mayCoach" />
        <section class="panel space-y-2" aria-labelledby="signed">
          <div class="flex items-center gap-2">
            <h2 id="signed" class="flex-1 text-lg font-bold">Signed</h2>
            <a class="underline" :href="`/api/students/${id}/signoffs.pdf`">PDF</a>
          </div>
          <p v-if="!signOffs.data.value?.signed.length" class="text-soft">Nothing signed yet.</p>
          <ul class="divide-y divide-line">
            <li v-for="row in signOffs.data.value?.signed" :key="row.id" class="py-1">
              <b :class="row.is_corrected ? 'line-through' : ''">{{ row.name ?? row.kind.replace('_', ' ') }}</b>
              {{ row.words === row.name ? '' : row.words }}
              <span class="block text-sm text-soft">
                {{ row.signed_by_name }}, {{ day(row.signed_at.slice(0, 10)) }}; {{ row.standard }}
                {{ row.edition }}
                <template v-if="row.valid_until">
                  ;
                  <span :class="row.valid_until < today() ? 'font-bold text-fail-ink' : ''">
                    valid until {{ day(row.valid_until) }}
                  </span>
                </template>
              </span>
              <button
                v-if="mayCoach && !row.is_corrected && row.kind !== 'correction'"
                type="button"
                class="min-h-11 underline"
                @click="beginSigning(null, { id: row.id, name: row.name ?? row.kind.replace('_', ' ') })"
              >
                Correct it
              </button>
              <span v-if="row.warnings.length" class="block text-sm">
                Signed though: {{ row.warnings.join(' ') }}
              </span>
            </li>
          </ul>
        </section>
        <section class="panel" aria-labelledby="marks">
          <h2 id="marks" class="text-lg font-bold">What was noted, by month</h2>
          <p v-if="!months.length" class="text-soft">No fault noted.</p>
          <div v-for="{ month, rows } in months" :key="month" class="mt-1">
            <span class="heading">{{ month }}</span>
            <p class="flex flex-wrap gap-x-3">
              <span v-for="row in rows" :key="row.mark">
                {{ markWords(row.mark) }} <span class="figure">{{ row.number }}</span>
              </span>
            </p>
          </div>
          <RouterLink to="/faults" class="underline">Faults and remedies</RouterLink>
        </section>
      </div>
    </div>

    <section class="panel" aria-labelledby="timeline">
      <h2 id="timeline" class="text-lg font-bold">Sorties, and the one change of each</h2>
      <p v-if="!lines.length" class="text-soft">{{ isLate ? 'Loading…' : 'Not flown yet.' }}</p>
      <ol class="divide-y divide-line">
        <li v-for="row in lines" :key="row.sortie_id" class="grid gap-x-4 py-2 sm:grid-cols-[7rem_11rem_1fr]">
          <RouterLink :to="{ name: 'debrief', params: { id: row.sortie_id } }" class="font-bold underline">
            {{ day(row.planned_on) }}
          </RouterLink>
          <span class="text-sm text-soft">
            {{ LANDING_LABEL[row.landing] }}, {{ row.hits }} of {{ row.measured }} in the box<template
              v-if="row.mean_error_ft !== null"
              >, mean {{ signed(row.mean_error_ft, 10) }} ft</template
            ><template v-if="row.go_arounds">, {{ row.go_arounds }} around</template>
          </span>
          <span>
            {{ row.one_change ?? 'Too few landings to say what to change.' }}
            <b v-if="row.followed === true" class="text-pass-ink">Followed on the next sortie.</b>
            <b v-else-if="row.followed === false" class="text-spot-ink">Not followed on the next sortie.</b>
            <span v-for="text in row.notes" :key="text" class="block text-sm text-soft">“{{ text }}”</span>
          </span>
        </li>
      </ol>
      <button v-if="before !== null" type="button" class="button mt-2" :disabled="isLate" @click="more">
        Show older ones
      </button>
    </section>
    <p class="text-sm text-soft">
      Bullseye never says ready: it says what was measured, in what conditions, and what it does not know. The
      instructor decides and signs.
    </p>
    <p v-if="!mayCoach">
      <a class="underline" href="/api/archive/mine.zip">Everything that is kept of you (ZIP)</a>
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
