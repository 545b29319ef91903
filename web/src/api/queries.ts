/** Each resource's key and its fetch, declared together. */
import type { QueryClient } from '@tanstack/vue-query'
import { answered, http, rememberCsrfToken } from './client'
import type {
  BriefChanges,
  BriefOut,
  Lap,
  LapIn,
  Laps,
  Plan,
  PlanChanges,
  RankingIn,
  Role,
  Session,
  SortieChange,
  SortieIn,
} from './types'

async function withToken(call: Promise<Session>): Promise<Session> {
  const session = await call
  rememberCsrfToken(session.csrf_token)
  return session
}

export const api = {
  session: () => withToken(answered(http.GET('/api/session'))),
  signIn: (login: string, password: string) =>
    withToken(answered(http.POST('/api/session', { body: { login, password } }))),
  signInDemo: (person_id: number) => withToken(answered(http.POST('/api/session/demo', { body: { person_id } }))),
  signOut: () => answered(http.DELETE('/api/session')),
  setUp: (body: {
    code: string
    school_name: string
    name: string
    login: string
    password: string
    with_examples: boolean
  }) => withToken(answered(http.POST('/api/setup', { body }))),
  invite: (name: string, role: Role) =>
    answered(http.POST('/api/invitations', { body: { name, role } })),
  lookAtInvitation: (token: string) => answered(http.POST('/api/invitations/look', { body: { token } })),
  join: (token: string, login: string, password: string) =>
    withToken(answered(http.POST('/api/invitations/accept', { body: { token, login, password } }))),
  catalogue: () => answered(http.GET('/api/catalogue')),
  sorties: () => answered(http.GET('/api/sorties')),
  sortie: (sortie_id: number) => answered(http.GET('/api/sorties/{sortie_id}', { params: { path: { sortie_id } } })),
  createSortie: (body: SortieIn) => answered(http.POST('/api/sorties', { body })),
  changeSortie: (sortie_id: number, body: Partial<SortieChange>) =>
    answered(
      http.PATCH('/api/sorties/{sortie_id}', { params: { path: { sortie_id } }, body: body as SortieChange }),
    ),
  // the client's own type of an answer forgets that a pair has two members; the generated one does not
  brief: (sortie_id: number, changes: Partial<BriefChanges> = {}) =>
    answered(
      http.POST('/api/sorties/{sortie_id}/brief', {
        params: { path: { sortie_id } },
        body: changes as BriefChanges,
      }),
    ) as Promise<unknown> as Promise<BriefOut>,
  plan: (sortie_id: number, changes: PlanChanges = {}) =>
    answered(
      http.POST('/api/sorties/{sortie_id}/plan', { params: { path: { sortie_id } }, body: changes }),
    ) as Promise<unknown> as Promise<{ plan: Plan }>,
  readMetar: (airfield_id: number, text: string) =>
    answered(http.POST('/api/airfields/{airfield_id}/metar', { params: { path: { airfield_id } }, body: { text } })),
  rankRunways: (airfield_id: number, body: RankingIn) =>
    answered(http.POST('/api/airfields/{airfield_id}/ranking', { params: { path: { airfield_id } }, body })),
  laps: (sortie_id: number) =>
    answered(
      http.GET('/api/sorties/{sortie_id}/laps', { params: { path: { sortie_id } } }),
    ) as Promise<unknown> as Promise<Laps>,
  keepLap: (sortie_id: number, lap_id: string, body: LapIn) =>
    answered(
      http.PUT('/api/sorties/{sortie_id}/laps/{lap_id}', { params: { path: { sortie_id, lap_id } }, body }),
    ) as Promise<unknown> as Promise<Lap>,
  removeLap: (sortie_id: number, lap_id: string) =>
    answered(http.DELETE('/api/sorties/{sortie_id}/laps/{lap_id}', { params: { path: { sortie_id, lap_id } } })),
}

export const sessionQuery = { queryKey: ['session'] as const, queryFn: api.session, staleTime: Infinity }
export const catalogueQuery = { queryKey: ['catalogue'] as const, queryFn: api.catalogue, staleTime: 60_000 }
export const sortiesQuery = { queryKey: ['sorties'] as const, queryFn: api.sorties }
export const sortieQuery = (id: number) => ({ queryKey: ['sortie', id] as const, queryFn: () => api.sortie(id) })
export const briefQuery = (id: number) => ({ queryKey: ['brief', id] as const, queryFn: () => api.brief(id) })
export const planQuery = (id: number) => ({ queryKey: ['plan', id] as const, queryFn: () => api.plan(id) })
export const lapsQuery = (id: number) => ({ queryKey: ['laps', id] as const, queryFn: () => api.laps(id) })

/** After a sortie or its laps changed, everything shown of it is asked for again. */
export async function forgetSortie(client: QueryClient, id: number) {
  await Promise.all(
    [['sorties'], ['sortie', id], ['brief', id], ['plan', id], ['laps', id]].map((queryKey) =>
      client.invalidateQueries({ queryKey }),
    ),
  )
}
