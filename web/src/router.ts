/** Addresses of the screens, and who may see them: nobody passes the sign-in page unknown. */
import type { QueryClient } from '@tanstack/vue-query'
import { createRouter, createWebHistory } from 'vue-router'
import { askForTrack, sessionQuery } from './api/queries'
import { labels, learnRest, say } from './said'
import SignInView from './views/SignInView.vue'

// the screens of a lesson come after the first one, while nobody waits: on the way to the aircraft the network ends
const LESSON = {
  prepare: () => import('./views/PrepareView.vue'),
  takeoff: () => import('./views/TakeoffView.vue'),
  pattern: () => import('./views/PatternView.vue'),
  landing: () => import('./views/LandingView.vue'),
  laps: () => import('./views/LapsView.vue'),
  debrief: () => import('./views/DebriefView.vue'),
}
// whose texts are read before anything is drawn
const FIRST = ['today', 'sign-in']
/** What each screen is called in the browser's own bar and history. */
const TITLE = labels<string>({
  today: 'today.sorties',
  'sign-in': 'signin.sign-in',
  setup: 'setup.set-up-your-school',
  account: 'common.your-account',
  deeds: 'common.who-did-what',
  hangar: 'common.hangar',
  fields: 'common.fields',
  standards: 'common.standards',
  techniques: 'common.techniques',
  fleet: 'app.fleet',
  tracks: 'tracks.recorded-flights',
  track: 'replay.replay',
  students: 'common.students',
  student: 'app.the-record',
  week: 'app.the-week',
  syllabus: 'common.syllabus',
  faults: 'common.faults-and-remedies',
  practice: 'common.practice',
  logbook: 'common.logbook',
  people: 'common.people',
  'new-sortie': 'common.new-sortie',
  prepare: 'common.prepare',
  takeoff: 'common.takeoff',
  pattern: 'common.pattern',
  landing: 'common.landing',
  'lap-plan': 'common.lap-plan',
  kneeboard: 'common.kneeboard-card',
  laps: 'common.laps',
  debrief: 'common.debrief',
})
let isAsked = false
function askForLesson() {
  if (isAsked) return
  isAsked = true
  const later = window.requestIdleCallback ?? ((then: () => void) => window.setTimeout(then, 500))
  // a screen that does not come now comes when it is opened
  later(() => [learnRest, ...Object.values(LESSON)].forEach((part) => void part().catch(() => undefined)))
}

export function makeRouter(client: QueryClient) {
  const router = createRouter({
    history: createWebHistory(),
    routes: [
      { path: '/', name: 'today', component: () => import('./views/TodayView.vue') },
      { path: '/sign-in', name: 'sign-in', component: SignInView, meta: { open: true } },
      { path: '/setup', name: 'setup', component: () => import('./views/SetUpView.vue'), meta: { open: true } },
      { path: '/join', name: 'join', component: () => import('./views/JoinView.vue'), meta: { open: true } },
      {
        path: '/reset',
        name: 'reset',
        component: () => import('./views/ResetView.vue'),
        meta: { open: true },
      },
      { path: '/account', name: 'account', component: () => import('./views/AccountView.vue') },
      { path: '/deeds', name: 'deeds', component: () => import('./views/DeedsView.vue') },
      { path: '/hangar', name: 'hangar', component: () => import('./views/HangarView.vue') },
      { path: '/fields', name: 'fields', component: () => import('./views/FieldsView.vue') },
      { path: '/standards', name: 'standards', component: () => import('./views/StandardsView.vue') },
      { path: '/techniques', name: 'techniques', component: () => import('./views/TechniquesView.vue') },
      { path: '/fleet', name: 'fleet', component: () => import('./views/FleetView.vue') },
      { path: '/tracks', name: 'tracks', component: () => import('./views/TracksView.vue') },
      {
        path: '/tracks/:track([0-9a-f-]{36})',
        name: 'track',
        component: () => import('./views/TrackView.vue'),
        beforeEnter: (to) => void askForTrack(client, String(to.params.track)).catch(() => undefined), // the screen says what is wrong
      },
      { path: '/students', name: 'students', component: () => import('./views/StudentsView.vue') },
      { path: '/students/:id(\\d+)', name: 'student', component: () => import('./views/StudentView.vue') },
      { path: '/week', name: 'week', component: () => import('./views/WeekView.vue') },
      { path: '/syllabus', name: 'syllabus', component: () => import('./views/SyllabusView.vue') },
      { path: '/faults', name: 'faults', component: () => import('./views/FaultsView.vue') },
      { path: '/practice', name: 'practice', component: () => import('./views/PracticeView.vue') },
      { path: '/logbook', name: 'logbook', component: () => import('./views/LogbookView.vue') },
      { path: '/people', name: 'people', component: () => import('./views/PeopleView.vue') },
      { path: '/sorties/new', name: 'new-sortie', component: LESSON.prepare },
      { path: '/sorties/:id(\\d+)/prepare', name: 'prepare', component: LESSON.prepare },
      { path: '/sorties/:id(\\d+)/takeoff', name: 'takeoff', component: LESSON.takeoff },
      { path: '/sorties/:id(\\d+)/pattern', name: 'pattern', component: LESSON.pattern },
      { path: '/sorties/:id(\\d+)/landing', name: 'landing', component: LESSON.landing },
      { path: '/sorties/:id(\\d+)/lap-plan', name: 'lap-plan', component: () => import('./views/LapPlanView.vue') },
      { path: '/sorties/:id(\\d+)/kneeboard', name: 'kneeboard', component: () => import('./views/KneeboardView.vue') },
      { path: '/sorties/:id(\\d+)/laps', name: 'laps', component: LESSON.laps },
      { path: '/sorties/:id(\\d+)/debrief', name: 'debrief', component: LESSON.debrief },
      { path: '/:rest(.*)', redirect: '/' },
    ],
    // a screen that is sent to a part of itself goes there when it has drawn it
    scrollBehavior: (to) => (to.hash ? false : { top: 0 }),
  })
  router.beforeEach(async (to) => {
    // on its way together with the screen itself
    if (!FIRST.includes(String(to.name))) void learnRest().catch(() => undefined)
    const session = await client.ensureQueryData(sessionQuery).catch(() => null)
    if (!session) return true // the shell says that there is no connection
    if (session.needs_set_up && to.name !== 'setup') return { name: 'setup' }
    if (!session.needs_set_up && to.name === 'setup') return { name: 'today' }
    if (!session.person && !to.meta.open) return { name: 'sign-in', query: { next: to.fullPath } }
    if (session.must_set_second_factor && to.name !== 'account') return { name: 'account' }
    if (session.person) askForLesson()
    return true
  })
  router.beforeResolve(async (to) => {
    if (!FIRST.includes(String(to.name))) await learnRest()
  })
  router.afterEach((to) => {
    const page = TITLE[String(to.name)]
    document.title = page ? say('app.page', { page }) : say('app.bullseye')
  })
  return router
}
