/** Each resource's key and its fetch, declared together. */
import type { QueryClient } from '@tanstack/vue-query'
import { answered, http, rememberCsrfToken } from './client'
import type {
  AircraftSpec,
  BriefChanges,
  BriefOut,
  GeoJson,
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
  Standard,
  Technique,
} from './types'

export type Kept = 'aircraft' | 'airfields' | 'standards' | 'techniques'

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
  station: (airfield_id: number) =>
    answered(http.GET('/api/airfields/{airfield_id}/station', { params: { path: { airfield_id } } })),
  kneeboard: (sortie_id: number) =>
    answered(http.GET('/api/sorties/{sortie_id}/kneeboard', { params: { path: { sortie_id } } })),
  cards: (sortie_id: number) =>
    answered(http.GET('/api/sorties/{sortie_id}/cards', { params: { path: { sortie_id } } })),
  disputes: () => answered(http.GET('/api/disputes')),
  keepAircraft: (spec: AircraftSpec, row_id: number | null) =>
    row_id === null
      ? answered(http.POST('/api/aircraft', { body: { spec } }))
      : answered(http.PUT('/api/aircraft/{row_id}', { params: { path: { row_id } }, body: { spec } })),
  keepStandard: (spec: Standard, row_id: number | null) =>
    row_id === null
      ? answered(http.POST('/api/standards', { body: { spec } }))
      : answered(http.PUT('/api/standards/{row_id}', { params: { path: { row_id } }, body: { spec } })),
  keepTechnique: (name: string, spec: Technique, row_id: number | null) =>
    row_id === null
      ? answered(http.POST('/api/techniques', { body: { name, spec } }))
      : answered(http.PUT('/api/techniques/{row_id}', { params: { path: { row_id } }, body: { name, spec } })),
  checkTechnique: (spec: Technique) => answered(http.POST('/api/techniques/check', { body: { spec } })),
  makeTechniqueMine: (row_id: number) =>
    answered(http.POST('/api/techniques/{row_id}/mine', { params: { path: { row_id } } })),
  readTable: (kind: 'landing' | 'takeoff', text: string) =>
    answered(http.POST('/api/tables', { body: { kind, text } })),
  loading: (aircraft_id: number, loading: { people_lb: number[]; bags_lb: number; fuel_gal: number }) =>
    answered(http.POST('/api/loading', { body: { aircraft_id, loading } })),
  keepAirfield: (geojson: GeoJson, airfield_id: number | null) =>
    airfield_id === null
      ? answered(http.POST('/api/airfields', { body: { geojson } }))
      : answered(http.PUT('/api/airfields/{airfield_id}', { params: { path: { airfield_id } }, body: { geojson } })),
  airfieldGeojson: (airfield_id: number) =>
    answered(http.GET('/api/airfields/{airfield_id}/geojson', { params: { path: { airfield_id } } })),
  readRunwayTable: (text: string) => answered(http.POST('/api/airfields/table', { body: { text } })),
  takeOutOfUse: (what: Kept, row_id: number) =>
    answered(http.DELETE('/api/{what}/{row_id}', { params: { path: { what, row_id } } })),
  bringBack: (what: Kept, row_id: number) =>
    answered(http.POST('/api/{what}/{row_id}/restore', { params: { path: { what, row_id } } })),
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
export const kneeboardQuery = (id: number) => ({ queryKey: ['kneeboard', id] as const, queryFn: () => api.kneeboard(id) })
export const disputesQuery = { queryKey: ['disputes'] as const, queryFn: api.disputes, staleTime: Infinity }
export const lapsQuery = (id: number) => ({ queryKey: ['laps', id] as const, queryFn: () => api.laps(id) })

/** After a sortie or its laps changed, everything shown of it is asked for again. */
export async function forgetSortie(client: QueryClient, id: number) {
  await Promise.all(
    [['sorties'], ['sortie', id], ['brief', id], ['plan', id], ['laps', id], ['kneeboard', id]].map((queryKey) =>
      client.invalidateQueries({ queryKey }),
    ),
  )
}
