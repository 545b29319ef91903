<script setup lang="ts">
/** Today's sorties, those of any other day, and any of all that ever were. */
import { say } from '@/said'
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { api } from '@/api/calls'
import { sessionQuery, sortiesQuery } from '@/api/queries'
import type { SortieLine, SortieSearch } from '@/api/types'
import CalendarLink from '@/components/CalendarLink.vue'
import Choice from '@/components/Choice.vue'
import DayCalendar from '@/components/DayCalendar.vue'
import Loading from '@/components/Loading.vue'
import SortieRow from '@/components/SortieRow.vue'
import { useKeys } from '@/composables/useKeys'
import { useWrite } from '@/composables/useWrite'
import { day, daysFrom, today } from '@/words'

const route = useRoute()
const router = useRouter()
const client = useQueryClient()
const session = useQuery(sessionQuery)
const mayPlan = computed(() => session.data.value?.person?.role !== 'student')
const find = ref<HTMLInputElement | null>(null)

/** What is shown stands in the address, so that it can be kept and sent. */
const asked = (name: string) => (typeof route.query[name] === 'string' ? route.query[name] : '')
const chosen = computed(() => (/^20\d\d-\d\d-\d\d$/.test(asked('day')) ? asked('day') : today()))
const isToday = computed(() => chosen.value === today())
const STATES = [
  { value: 'any', label: say('today.all') },
  { value: 'planned', label: say('today.planned') },
  { value: 'flown', label: say('today.flown') },
  { value: 'cancelled', label: say('today.cancelled') },
] as const
type Chosen = (typeof STATES)[number]['value']
const state = computed<Chosen>(() => STATES.find((one) => one.value === asked('state'))?.value ?? 'any')
const isSearch = computed(() => !!asked('find') || state.value !== 'any')
function show(query: { day?: string; find?: string; state?: string }) {
  const next = { day: asked('day'), find: asked('find'), state: asked('state'), ...query }
  const kept = Object.entries(next).filter(([name, value]) => value && !(name === 'day' && value === today()))
  void router.replace({ query: Object.fromEntries(kept) })
}
const typed = ref(asked('find'))
let waiting = 0
watch(typed, (text) => {
  window.clearTimeout(waiting)
  waiting = window.setTimeout(() => show({ find: text.trim() }), 250)
})
useKeys({ '/': () => find.value?.focus() })

const ofDay = useQuery(
  computed(() => ({
    ...sortiesQuery({ first_day: chosen.value, last_day: chosen.value }),
    placeholderData: keepPreviousData,
  })),
)
/** By the hour; those without one last. */
const rows = computed(() =>
  [...(ofDay.data.value?.sorties ?? [])].sort((a, b) => (a.planned_time ?? '99').localeCompare(b.planned_time ?? '99')),
)
const coming = useQuery(
  computed(() => ({ ...sortiesQuery({ first_day: daysFrom(today(), 1), oldest_first: true, most: 6 }) })),
)
const before = useQuery(computed(() => ({ ...sortiesQuery({ last_day: daysFrom(today(), -1), most: 12 }) })))
const groups = computed(() => [
  { title: isToday.value ? say('common.today') : day(chosen.value), rows: rows.value, showsDay: false, isMain: true },
  ...(isToday.value
    ? [
        { title: say('today.coming'), rows: coming.data.value?.sorties ?? [], showsDay: true, isMain: false },
        { title: say('today.before'), rows: before.data.value?.sorties ?? [], showsDay: true, isMain: false },
      ].filter((group) => group.rows.length)
    : []),
])

/** What is looked for in all sorties there ever were, a page at a time. */
const search = computed<Partial<SortieSearch>>(() => ({
  ...(asked('find') ? { text: asked('find') } : {}),
  ...(state.value === 'any' ? {} : { state: state.value }),
  most: 30,
}))
const found = useQuery(
  computed(() => ({ ...sortiesQuery(search.value), enabled: isSearch.value, placeholderData: keepPreviousData })),
)
const more = ref<SortieLine[]>([])
const next = ref<string | null>(null)
watch(
  found.data,
  (page) => {
    more.value = page?.sorties ?? []
    next.value = page?.after ?? null
  },
  { immediate: true },
)
async function showMore() {
  const page = await api.sorties({ ...search.value, after: next.value ?? '' })
  more.value = [...more.value, ...page.sorties]
  next.value = page.after
}

const { write, problem, fields, clear } = useWrite({
  refresh: () => client.invalidateQueries({ queryKey: ['sorties'] }),
  otherwise: say('common.not-changed'),
})
const doing = ref<{ what: 'copy' | 'cancel'; one: SortieLine } | null>(null)
const copyDay = ref(today())
const copyHour = ref('')
const reason = ref('')
const REASONS = [
  'weather',
  say('today.aircraft-not-available'),
  say('today.student-not-available'),
  say('today.instructor-not-available'),
]
function begin(what: 'copy' | 'cancel', one: SortieLine) {
  clear()
  copyDay.value = today()
  copyHour.value = one.planned_time?.slice(0, 5) ?? ''
  reason.value = ''
  doing.value = { what, one }
}
async function finish() {
  const { what, one } = doing.value!
  const written =
    what === 'copy'
      ? await write({
          call: () => api.copySortie(one.id, copyDay.value, copyHour.value ? `${copyHour.value}:00` : null),
          undo: { what: say('today.the-copy'), back: (answer) => api.removeSortie(answer.id) },
        })
      : await write({
          call: () => api.cancelSortie(one.id, reason.value),
          undo: { what: say('today.the-cancellation'), back: () => api.flyAfterAll(one.id) },
        })
  if (!written) return
  doing.value = null
  if (what === 'copy') show({ day: copyDay.value, find: '', state: '' })
}
function remove(one: SortieLine) {
  void write({
    call: () => api.removeSortie(one.id),
    undo: {
      what: say('today.taking-away-s-sortie', { student_name: one.student_name }),
      back: () => api.restoreSortie(one.id),
    },
  })
}
function reinstate(one: SortieLine) {
  void write({
    call: () => api.flyAfterAll(one.id),
    undo: {
      what: say('today.flying-it-after-all'),
      back: () => api.cancelSortie(one.id, one.cancelled_for ?? say('common.cancelled')),
    },
  })
}
</script>

<template>
  <Loading v-if="!ofDay.data.value" :error="ofDay.error.value" :retry="ofDay.refetch" />
  <div v-else>
    <div class="mb-3 flex flex-wrap items-center gap-2">
      <h1 class="text-2xl font-bold">{{ say('today.sorties') }}</h1>
      <div class="flex gap-1" role="group" :aria-label="say('common.day')">
        <button
          type="button"
          class="button !px-3"
          :aria-label="say('today.day-before')"
          @click="show({ day: daysFrom(chosen, -1) })"
        >
          ‹
        </button>
        <button type="button" class="button" :class="isToday ? 'button-main' : ''" @click="show({ day: '' })">
          {{ say('common.today') }}
        </button>
        <button
          type="button"
          class="button !px-3"
          :aria-label="say('today.day-after')"
          @click="show({ day: daysFrom(chosen, 1) })"
        >
          ›
        </button>
      </div>
      <span class="flex-1" />
      <label for="find" class="sr-only">{{ say('today.find-a-sortie') }}</label>
      <input
        id="find"
        ref="find"
        v-model="typed"
        class="field !w-56"
        type="search"
        :placeholder="say('today.find-name-field')"
      />
      <RouterLink v-if="mayPlan" to="/sorties/new" class="button button-main">{{
        say('common.new-sortie')
      }}</RouterLink>
    </div>
    <p v-if="problem && !doing" role="alert" class="mb-2 font-bold text-fail-ink">{{ problem }}</p>
    <div class="grid gap-4 lg:grid-cols-[1fr_21rem]">
      <div class="min-w-0">
        <section v-if="isSearch" :aria-label="say('today.found')">
          <h2 class="mb-1 text-lg font-bold text-soft">
            {{ say('today.found-in-all-sorties-newest', { asked: asked('find') ? `: “${asked('find')}”` : '' }) }}
          </h2>
          <p v-if="!more.length" class="panel text-soft">
            {{ found.isFetching.value ? say('today.looking') : say('today.nothing-found-every-word-must') }}
          </p>
          <ul class="space-y-2">
            <li v-for="one in more" :key="one.id">
              <SortieRow
                :one="one"
                :may-plan="mayPlan"
                shows-day
                @copy="begin('copy', one)"
                @cancel="begin('cancel', one)"
                @remove="remove(one)"
                @reinstate="reinstate(one)"
              />
            </li>
          </ul>
          <button v-if="next" type="button" class="button mt-2" @click="showMore">
            {{ say('common.show-older-ones') }}
          </button>
        </section>
        <template v-else>
          <section v-for="group in groups" :key="group.title" class="mb-5" :aria-label="group.title">
            <h2 class="mb-1 text-lg font-bold text-soft">
              {{ group.title }}<template v-if="group.isMain && isToday">, {{ day(chosen) }}</template>
            </h2>
            <p v-if="!group.rows.length" class="panel text-soft">
              {{ mayPlan ? say('today.nothing-planned-make-a-new') : say('common.nothing-planned') }}
            </p>
            <ul class="space-y-2">
              <li v-for="one in group.rows" :key="one.id">
                <SortieRow
                  :one="one"
                  :may-plan="mayPlan"
                  :shows-day="group.showsDay"
                  @copy="begin('copy', one)"
                  @cancel="begin('cancel', one)"
                  @remove="remove(one)"
                  @reinstate="reinstate(one)"
                />
              </li>
            </ul>
          </section>
        </template>
      </div>
      <aside class="space-y-3">
        <DayCalendar :chosen="chosen" @choose="show({ day: $event, find: '', state: '' })" />
        <section class="panel" :aria-label="say('today.which-sorties')">
          <Choice
            :model-value="state"
            :label="say('today.of-all-sorties-show')"
            :options="STATES"
            @update:model-value="show({ state: $event === 'any' ? '' : ($event ?? '') })"
          />
        </section>
        <CalendarLink />
      </aside>
    </div>
    <Dialog :open="!!doing" class="relative z-20" @close="doing = null">
      <div class="fixed inset-0 bg-black/50" aria-hidden="true" />
      <div class="fixed inset-0 flex items-center justify-center p-4">
        <DialogPanel v-if="doing" class="panel w-full max-w-md">
          <form class="space-y-3" @submit.prevent="finish">
            <DialogTitle class="text-xl font-bold">
              {{ doing.what === 'copy' ? say('today.plan-the-same-again') : say('today.cancel-the-sortie') }}:
              {{ doing.one.student_name }}
            </DialogTitle>
            <template v-if="doing.what === 'copy'">
              <label for="copy-day" class="heading block">{{ say('common.day') }}</label>
              <input id="copy-day" v-model="copyDay" type="date" class="field" required />
              <label for="copy-hour" class="heading block">{{ say('today.hour-utc') }}</label>
              <input id="copy-hour" v-model="copyHour" type="time" class="field" aria-describedby="copy-hour-hint" />
              <p id="copy-hour-hint" class="text-sm text-soft">{{ say('today.leave-it-empty-while-the') }}</p>
              <p class="text-sm text-soft">{{ say('today.its-wind-is-not-known') }}</p>
            </template>
            <template v-else>
              <label for="reason" class="heading block">{{ say('today.why-it-is-not-flown') }}</label>
              <input id="reason" v-model="reason" class="field" maxlength="200" required />
              <div class="flex flex-wrap gap-1.5">
                <button v-for="one in REASONS" :key="one" type="button" class="button" @click="reason = one">
                  {{ one }}
                </button>
              </div>
            </template>
            <p v-if="problem" role="alert" class="font-bold text-fail-ink">
              {{ Object.values(fields)[0] ?? problem }}
            </p>
            <div class="flex gap-2">
              <button type="submit" class="button button-main">
                {{ doing.what === 'copy' ? say('today.plan-it') : say('today.cancel-the-sortie') }}
              </button>
              <button type="button" class="button" @click="doing = null">{{ say('common.back') }}</button>
            </div>
          </form>
        </DialogPanel>
      </div>
    </Dialog>
  </div>
</template>
