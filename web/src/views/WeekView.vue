<script setup lang="ts">
/** The week at a glance: who flies when, in what, in which wind, what they are due for; and who is not booked. */
import { say } from '@/said'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { api } from '@/api/calls'
import { sessionQuery } from '@/api/queries'
import type { SortieLine } from '@/api/types'
import Loading from '@/components/Loading.vue'
import { day, daysFrom, LANDING_LABEL, today, windWords } from '@/words'

const route = useRoute()
const router = useRouter()
const session = useQuery(sessionQuery)
/** The Monday of the week that is shown stands in the address. */
function mondayOf(date: string): string {
  const weekday = (new Date(`${date}T12:00:00Z`).getUTCDay() + 6) % 7
  return daysFrom(date, -weekday)
}
const first = computed(() => {
  const asked = route.query.from
  return mondayOf(typeof asked === 'string' && /^20\d\d-\d\d-\d\d$/.test(asked) ? asked : today())
})
const mine = computed(() => route.query.whose !== 'all' && session.data.value?.person?.role === 'instructor')
function show(from: string, whose = route.query.whose) {
  void router.replace({ query: { ...(from === mondayOf(today()) ? {} : { from }), ...(whose ? { whose } : {}) } })
}
const week = useQuery(
  computed(() => ({
    queryKey: ['week', first.value, mine.value] as const,
    queryFn: () => api.week(first.value, mine.value),
    placeholderData: keepPreviousData,
  })),
)
const days = computed(() =>
  Array.from({ length: 7 }, (_, k) => daysFrom(first.value, k)).map((on) => ({
    on,
    rows: (week.data.value?.booked ?? [])
      .filter((one) => one.sortie.planned_on === on)
      .sort((a, b) => (a.sortie.planned_time ?? '99').localeCompare(b.sortie.planned_time ?? '99')),
  })),
)
const isAhead = (one: SortieLine) => !one.laps && !one.cancelled_for
const wind = (one: SortieLine) => (one.weather_at === null ? say('week.wind-not-given-yet') : windWords(one))
const flown = (one: SortieLine) =>
  one.cancelled_for
    ? say('week.cancelled', { cancelled_for: one.cancelled_for })
    : one.laps
      ? say('week.flown-laps', { laps: one.laps })
      : ''
</script>

<template>
  <Loading v-if="!week.data.value" :error="week.error.value" :retry="week.refetch" />
  <div v-else class="space-y-3">
    <div class="flex flex-wrap items-center gap-2">
      <h1 class="flex-1 text-2xl font-bold">{{ say('week.week-of', { first: day(first) }) }}</h1>
      <label v-if="session.data.value?.person?.role === 'instructor'" class="flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          class="h-6 w-6"
          :checked="mine"
          @change="show(first, ($event.target as HTMLInputElement).checked ? 'mine' : 'all')"
        />
        {{ say('week.only-mine') }}
      </label>
      <button type="button" class="button" @click="show(daysFrom(first, -7))">{{ say('week.week-before') }}</button>
      <button type="button" class="button" @click="show(mondayOf(today()))">{{ say('week.this-week') }}</button>
      <button type="button" class="button" @click="show(daysFrom(first, 7))">{{ say('week.week-after') }}</button>
    </div>
    <section v-for="{ on, rows } in days" :key="on" class="panel !py-2" :aria-label="day(on)">
      <div class="grid gap-x-4 sm:grid-cols-[8rem_1fr]">
        <h2 class="font-bold" :class="on === today() ? 'text-aim-ink' : ''">
          {{ day(on) }}<span v-if="on === today()" class="block text-sm">{{ say('week.today') }}</span>
        </h2>
        <p v-if="!rows.length" class="text-soft">{{ say('common.nothing-planned') }}</p>
        <ul v-else class="divide-y divide-line">
          <li
            v-for="{ sortie, due, not_possible } in rows"
            :key="sortie.id"
            class="grid gap-x-4 py-1 md:grid-cols-[4rem_12rem_16rem_1fr]"
          >
            <span class="figure">{{ sortie.planned_time?.slice(0, 5) ?? '–' }}</span>
            <span>
              <RouterLink :to="`/students/${sortie.student_id}`" class="font-bold underline">
                {{ sortie.student_name }}
              </RouterLink>
              <span class="block text-sm text-soft">{{
                say('common.with', { instructor_name: sortie.instructor_name })
              }}</span>
            </span>
            <RouterLink :to="{ name: isAhead(sortie) ? 'landing' : 'debrief', params: { id: sortie.id } }">
              <span class="underline">{{ LANDING_LABEL[sortie.landing] }}</span>
              <span v-if="sortie.is_mock_test" class="font-bold"> {{ ' ' + say('week.mock-test') }}</span>
              <span class="block text-sm text-soft">
                {{ sortie.aircraft_name }}, {{ sortie.airfield }} {{ sortie.runway_ident }}; {{ wind(sortie) }}
              </span>
            </RouterLink>
            <span>
              <template v-if="flown(sortie)">{{ flown(sortie) }}</template>
              <template v-else-if="due.length"
                ><b>{{ say('week.due') }}</b> {{ due.join(', ') }}</template
              >
              <span v-for="line in not_possible.slice(0, 2)" :key="line" class="block text-sm text-soft">{{
                say('week.not-now', { line })
              }}</span>
            </span>
          </li>
        </ul>
      </div>
    </section>
    <p v-if="week.data.value.has_more" class="font-bold">{{ say('week.there-are-more-sorties-this') }}</p>
    <section v-if="week.data.value.not_booked.length" class="panel" aria-labelledby="not-booked">
      <h2 id="not-booked" class="text-lg font-bold">{{ say('week.not-booked-this-week') }}</h2>
      <ul class="divide-y divide-line">
        <li
          v-for="one in week.data.value.not_booked"
          :key="one.id"
          class="grid gap-x-4 py-1 md:grid-cols-[14rem_12rem_1fr]"
        >
          <RouterLink :to="`/students/${one.id}`" class="font-bold underline">{{ one.name }}</RouterLink>
          <span class="text-soft">
            {{
              one.last_flown_on
                ? say('common.last-flew', { last_flown_on: day(one.last_flown_on) })
                : say('common.has-not-flown-yet')
            }}
          </span>
          <span>
            <template v-if="one.due.length">
              <b>{{ say('week.due') }}</b> {{ one.due.join(', ') }}
            </template>
          </span>
        </li>
      </ul>
      <p v-if="week.data.value.others_not_booked" class="mt-1">
        {{ say('week.and-more-who-have-flown', { others_not_booked: week.data.value.others_not_booked }) }}
      </p>
    </section>
    <p class="text-sm text-soft">{{ say('week.hours-are-utc-what-somebody') }}</p>
  </div>
</template>
