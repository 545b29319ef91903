<script setup lang="ts">
/** The shell: bar, lesson rail, keys; the screen itself is the router's. */
import { language, locale, say } from '@/said'
import { change } from '@/said/choice'
import { forgetDrafts } from '@/composables/useEditor'
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { RouterView, useRoute, useRouter } from 'vue-router'
import { api } from '@/api/calls'
import { sessionQuery } from '@/api/queries'
import type { Session } from '@/api/types'
import DeviceBanner from '@/components/DeviceBanner.vue'
import LessonRail from '@/components/LessonRail.vue'
import ModelNews from '@/components/ModelNews.vue'
import TroubleNotice from '@/components/TroubleNotice.vue'
import { useKeys } from '@/composables/useKeys'
import { useWrite } from '@/composables/useWrite'
import { useSync } from '@/offline/sync'
import { useTrack } from '@/offline/track'
import { useUpdate } from '@/offline/update'
import { STEPS } from '@/steps'
import { useLook } from '@/stores/look'
import { useUndo } from '@/stores/undo'
import { trouble } from '@/trouble'
import { round } from '@/words'

// none of these is on the first screen
const KeysDialog = defineAsyncComponent(() => import('@/components/KeysDialog.vue'))
const SignInAgain = defineAsyncComponent(() => import('@/components/SignInAgain.vue'))

const route = useRoute()
const router = useRouter()
const client = useQueryClient()
const look = useLook()
const undo = useUndo()
const sync = useSync()
const track = useTrack()
const update = useUpdate()
// a session kept on the device before there were versions has none
const old = (version: Session['version'] | undefined) =>
  version ? version.laps_to_rework + version.flights_to_rework : 0
const session = useQuery({
  ...sessionQuery,
  refetchInterval: (query) => (old(query.state.data?.version) ? 5_000 : false),
})
// somebody's own language, on whatever device they sign in
watch(
  () => session.data.value?.language_chosen,
  async (chosen) => {
    if (!chosen || chosen === language()) return
    await change(chosen).catch((error: unknown) => trouble.tell(error))
    await client.invalidateQueries()
  },
)
/** What was derived by an older model stands until the background work has been through it, and that is said. */
const reworking = computed(() => {
  const version = session.data.value?.version
  if (!old(version)) return ''
  const { laps_to_rework: laps, flights_to_rework: flights } = version!
  const left = [
    ...(laps ? [say('app.laps-left', { laps, shown: round(laps) })] : []),
    ...(flights ? [say('app.flights-left', { flights, shown: round(flights) })] : []),
  ]
  return say('app.past-laps-are-being-calculated', {
    model: version!.model,
    left: new Intl.ListFormat(locale()).format(left),
  })
})
watch(reworking, (now, before) => {
  if (before && !now) void client.invalidateQueries()
})
/** The chief reads once how far a new model moves the aim points. */
const news = computed(() => session.data.value?.news ?? null)
const { write: writeNews } = useWrite({ refresh: () => client.invalidateQueries({ queryKey: sessionQuery.queryKey }) })
function haveRead(version: string) {
  void writeNews({ call: () => api.changeSchool({ told_model_version: version }) })
}
const person = computed(() => session.data.value?.person ?? null)
const sortieId = computed(() =>
  typeof route.params.id === 'string' && route.path.startsWith('/sorties/') ? Number(route.params.id) : null,
)
const places = computed(() => [
  ...(person.value?.role === 'student'
    ? []
    : ([
        ['/week', say('app.the-week')],
        ['/people', say('common.people')],
        ...(person.value?.role === 'chief' ? ([['/deeds', say('common.who-did-what')]] as const) : []),
        ['/fleet', say('app.fleet')],
      ] as const)),
  ['/practice', say('common.practice')] as const,
  ['/logbook', say('common.logbook')] as const,
  ['/account', say('common.your-account')] as const,
  ['/syllabus', say('common.syllabus')] as const,
  ['/faults', say('common.faults-and-remedies')] as const,
  ['/tracks', say('app.tracks')] as const,
  ['/hangar', say('common.hangar')] as const,
  ['/fields', say('common.fields')] as const,
  ['/standards', say('common.standards')] as const,
  ['/techniques', say('common.techniques')] as const,
])
const showKeys = ref(false)

watch(person, (now, before) => {
  if (now && now.id !== before?.id) sync.enter(now.id)
  if (before && !now && !route.meta.open && !isLeaving) endedOf.value = before
  if (now) endedOf.value = null
})
/** Whose sign-in ended while a screen was open: it stays open, with what was typed, until they are back or leave. */
const endedOf = ref<NonNullable<Session['person']> | null>(null)
let isLeaving = false
async function backAgain(isSame: boolean) {
  endedOf.value = null
  if (isSame) await client.invalidateQueries()
  else await forgetAll('/')
}
async function leave() {
  const next = route.fullPath
  endedOf.value = null
  await router.push({ name: 'sign-in', query: { next } })
}
/** Nothing of whoever was here is shown to whoever comes. */
async function forgetAll(to: string) {
  undo.clear()
  // not the session itself: what watches it would hear of nothing any more
  client.removeQueries({ predicate: (query) => query.queryKey[0] !== sessionQuery.queryKey[0] })
  await router.push(to)
}
watch(sortieId, () => undo.clear())

async function signOut() {
  isLeaving = true
  try {
    await track.stop()
    // what waits to be sent stays on the device; all else of this person goes
    await api.signOut()
    const nobody = { person: null, school: null, news: null, is_kept: false }
    client.setQueryData<Session>(sessionQuery.queryKey, (one) => one && { ...one, ...nobody })
    await client.fetchQuery({ ...sessionQuery, staleTime: 0 }).catch(() => undefined) // without a network: later
    await forgetAll('/sign-in')
  } finally {
    isLeaving = false
    forgetDrafts()
  }
}
function step(name: string) {
  if (sortieId.value) void router.push({ name, params: { id: sortieId.value } })
}
useKeys({
  ...Object.fromEntries(STEPS.map(({ key, name }) => [key, () => step(name)])),
  t: () => void router.push({ name: 'today' }),
  u: () => void undo.undo(),
  '?': () => (showKeys.value = true),
})
</script>

<template>
  <div class="min-h-dvh lg:flex">
    <a href="#main" class="sr-only focus:not-sr-only">{{ say('app.skip-to-the-screen') }}</a>
    <LessonRail v-if="person && sortieId" :sortie-id="sortieId" />
    <div class="min-w-0 flex-1" :class="person && sortieId ? 'pb-28 lg:pb-8' : ''">
      <header class="print:hidden flex min-h-12 items-center gap-2 border-b border-line px-3 py-0.5 sm:px-4">
        <RouterLink to="/" class="flex min-h-11 items-center gap-2 text-lg font-bold">
          <img src="/icon.svg" alt="" width="24" height="24" />
          <span class="sr-only sm:not-sr-only">{{ say('app.bullseye') }}</span>
        </RouterLink>
        <span v-if="session.data.value?.school" class="hidden truncate text-soft sm:inline">
          {{ session.data.value.school }}
        </span>
        <span class="flex-1" />
        <RouterLink
          v-if="track.sortieId !== null"
          :to="{ name: 'laps', params: { id: track.sortieId } }"
          class="flex min-h-11 items-center px-2 font-bold text-pass-ink"
          :title="say('app.this-tablets-position-is-being')"
        >
          {{ say('app.position') }}
        </RouterLink>
        <button
          v-if="undo.steps.length"
          type="button"
          class="min-h-14 rounded px-3 font-bold underline"
          @click="undo.undo()"
        >
          {{ say('common.undo') }}<span class="hidden md:inline">: {{ undo.steps.at(-1)?.what }}</span>
        </button>
        <button
          type="button"
          class="min-h-11 rounded px-2 underline"
          :aria-label="look.theme === 'day' ? say('app.night-colours') : say('app.day-colours')"
          @click="look.toggle()"
        >
          {{ look.theme === 'day' ? say('common.night') : say('common.day') }}
        </button>
        <button type="button" class="hidden min-h-11 rounded px-2 underline lg:block" @click="showKeys = true">
          {{ say('common.keys') }}
        </button>
        <template v-if="person">
          <RouterLink
            :to="person.role === 'student' ? `/students/${person.id}` : '/students'"
            class="flex min-h-11 items-center whitespace-nowrap rounded px-2 underline"
          >
            {{ person.role === 'student' ? say('app.my-record') : say('common.students') }}
          </RouterLink>
          <Menu :key="route.path" as="div" class="relative">
            <MenuButton class="min-h-11 rounded px-2 underline">{{ say('app.school') }}</MenuButton>
            <MenuItems class="panel absolute right-0 z-20 w-56 !p-1 shadow-lg">
              <MenuItem v-for="[to, label] in places" :key="to" v-slot="{ active }">
                <RouterLink
                  :to="to"
                  class="flex min-h-11 items-center rounded px-3 font-bold"
                  :class="active ? 'bg-paper' : ''"
                >
                  {{ label }}
                </RouterLink>
              </MenuItem>
            </MenuItems>
          </Menu>
          <RouterLink to="/account" class="hidden min-h-11 items-center rounded px-2 underline md:flex">
            {{ person.name }}
          </RouterLink>
          <button
            type="button"
            class="min-h-11 whitespace-nowrap rounded px-2 underline"
            :title="sync.lapsHere ? say('app.what-waits-to-be-sent') : ''"
            @click="signOut"
          >
            {{ say('common.sign-out') }}
          </button>
        </template>
      </header>
      <TroubleNotice />
      <DeviceBanner v-if="person" :session="session.data.value" />
      <ModelNews v-if="news && !sortieId" :news="news" @read="haveRead(news.version)" />
      <p v-if="reworking" role="status" class="border-b border-line bg-card px-4 py-1 print:hidden">
        {{ reworking }}
      </p>
      <!-- never during a sortie: a lesson is flown with what it began with -->
      <div
        v-if="update.isWaiting.value && !sortieId"
        role="status"
        class="flex flex-wrap items-center gap-3 border-b border-line bg-card px-4 py-1 print:hidden"
      >
        <span class="flex-1">{{ say('app.a-newer-bullseye-is-ready') }}</span>
        <button type="button" class="button" @click="update.take()">{{ say('app.update-now') }}</button>
      </div>
      <p v-if="undo.problem" role="alert" class="bg-warn-wash px-4 py-1 font-bold">
        {{ say('app.not-undone', { problem: undo.problem }) }}
      </p>
      <main id="main" class="mx-auto max-w-[1400px] p-3 sm:p-4">
        <p v-if="session.error.value && !session.data.value" role="alert" class="panel mx-auto mt-10 max-w-lg">
          {{ session.error.value.message }}
          <button type="button" class="button mt-3" @click="session.refetch()">{{ say('common.try-again') }}</button>
        </p>
        <RouterView v-else :key="String(route.params.id ?? route.params.track ?? '')" />
      </main>
    </div>
    <p
      v-if="person && sortieId"
      class="fixed inset-x-0 bottom-16 print:hidden z-10 border-t border-line bg-warn-wash px-3 py-0.5 text-xs leading-snug lg:bottom-0 lg:left-24"
    >
      <span aria-hidden="true">▲ </span>{{ say('app.training-aid-the-aircraft-handbook') }}
    </p>
    <SignInAgain
      v-if="endedOf"
      :person="endedOf"
      :demo="session.data.value?.demo_people ?? []"
      @back="backAgain"
      @leave="leave"
    />
    <KeysDialog v-if="showKeys" v-model="showKeys" :version="session.data.value?.version" />
  </div>
</template>
