/** Addresses of the screens, and who may see them: nobody passes the sign-in page unknown. */
import type { QueryClient } from '@tanstack/vue-query'
import { createRouter, createWebHistory } from 'vue-router'
import { askForTrack, sessionQuery } from './api/queries'
import DebriefView from './views/DebriefView.vue'
import LandingView from './views/LandingView.vue'
import LapsView from './views/LapsView.vue'
import PrepareView from './views/PrepareView.vue'
import SignInView from './views/SignInView.vue'
import TodayView from './views/TodayView.vue'

export function makeRouter(client: QueryClient) {
  const router = createRouter({
    history: createWebHistory(),
    routes: [
      { path: '/', name: 'today', component: TodayView },
      { path: '/sign-in', name: 'sign-in', component: SignInView, meta: { open: true } },
      { path: '/setup', name: 'setup', component: () => import('./views/SetUpView.vue'), meta: { open: true } },
      { path: '/join', name: 'join', component: () => import('./views/JoinView.vue'), meta: { open: true } },
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
      { path: '/people', name: 'people', component: () => import('./views/PeopleView.vue') },
      { path: '/sorties/new', name: 'new-sortie', component: PrepareView },
      { path: '/sorties/:id(\\d+)/prepare', name: 'prepare', component: PrepareView },
      { path: '/sorties/:id(\\d+)/takeoff', name: 'takeoff', component: () => import('./views/TakeoffView.vue') },
      { path: '/sorties/:id(\\d+)/pattern', name: 'pattern', component: () => import('./views/PatternView.vue') },
      { path: '/sorties/:id(\\d+)/landing', name: 'landing', component: LandingView },
      { path: '/sorties/:id(\\d+)/lap-plan', name: 'lap-plan', component: () => import('./views/LapPlanView.vue') },
      { path: '/sorties/:id(\\d+)/kneeboard', name: 'kneeboard', component: () => import('./views/KneeboardView.vue') },
      { path: '/sorties/:id(\\d+)/laps', name: 'laps', component: LapsView },
      { path: '/sorties/:id(\\d+)/debrief', name: 'debrief', component: DebriefView },
      { path: '/:rest(.*)', redirect: '/' },
    ],
    scrollBehavior: () => ({ top: 0 }),
  })
  router.beforeEach(async (to) => {
    const session = await client.ensureQueryData(sessionQuery).catch(() => null)
    if (!session) return true // the shell says that there is no connection
    if (session.needs_set_up && to.name !== 'setup') return { name: 'setup' }
    if (!session.needs_set_up && to.name === 'setup') return { name: 'today' }
    if (!session.person && !to.meta.open) return { name: 'sign-in', query: { next: to.fullPath } }
    return true
  })
  return router
}
