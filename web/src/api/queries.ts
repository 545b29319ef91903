/** Each resource's key and its fetch, declared together. */
import type { QueryClient } from '@tanstack/vue-query'
import { allAboard, aboardOf, isOutOfReach, keepAboard, orAboard, orCopy } from '@/offline/aboard'
import { forgetPerson, hasEnded, isEnding, keepSession, keptSession, noteEnding } from '@/offline/device'
import { link } from '@/offline/link'
import type { Waiting } from '@/offline/device'
import { keptRows } from '@/offline/disk'
import { shownLaps } from '@/offline/shown'
import { briefHere, rankHere } from '@/offline/tables'
import type { WindRead } from '@/offline/wind'
import { today } from '@/words'
import { answered, ApiError, http, rememberCsrfToken } from './client'
import type {
  AircraftSpec,
  BriefChanges,
  BriefOut,
  CsvColumns,
  EntryIn,
  Exercise,
  HomeworkIn,
  LogLine,
  GeoJson,
  Match,
  Measure,
  Aboard,
  LandingKind,
  Laps,
  Plan,
  PlanChanges,
  RankingIn,
  SchoolChange,
  Role,
  SentChange,
  Session,
  SortieLine,
  SortieChange,
  SortieIn,
  SortieSearch,
  FlownSortie,
  Standard,
  Technique,
  DeedKind,
} from './types'

export type Kept = 'aircraft' | 'airfields' | 'standards' | 'techniques'

/** Writes only over the revision that was seen; null: whatever it is. */
const ifSeen = (seen: number | null) => ({ 'If-Match': seen === null ? '*' : `"${seen}"` })

/** Goes up when somebody signs out: an answer that was on its way then is kept nowhere. */
let epoch = 0

async function withToken(call: Promise<Session>): Promise<Session> {
  const asked = epoch
  const session = await call
  rememberCsrfToken(session.csrf_token)
  if (session.person && asked === epoch) await keepSession(session)
  return session
}
/** Ask who is signed in; whoever signed out without a network is signed out first. */
async function serverSession(): Promise<Session> {
  const found = await withToken(answered(http.GET('/api/session')))
  if (!found.person || !(await isEnding())) return found
  await answered(http.DELETE('/api/session')).catch((error: unknown) => {
    if (!(error instanceof ApiError && error.status === 401)) throw error
  })
  await forgetPerson()
  await hasEnded()
  return withToken(answered(http.GET('/api/session')))
}
/** Sign out, here at once, and on the server as soon as it can be told. */
async function signOut() {
  epoch += 1
  window.clearTimeout(refreshing)
  await forgetPerson()
  try {
    await answered(http.DELETE('/api/session'))
  } catch (error) {
    if (!isOutOfReach(error)) throw error
    if (error instanceof ApiError && error.status !== 401) await noteEnding()
  }
}
/** Who is signed in; without a server, or after the sign-in ended in flight, who was: a lesson goes on. */
async function session(): Promise<Session> {
  const ask = serverSession
  const asked = navigator.onLine ? ask() : null // on its way while the device looks what it has kept
  asked?.catch(() => undefined) // looked at below
  const kept = await keptSession()
  try {
    if (kept && !asked) throw new ApiError(0, 'No network.')
    const found = await (asked ?? ask())
    link.answered()
    if (found.person || !kept?.person || found.needs_set_up || !(await allAboard()).length) return found
    return { ...found, person: kept.person, school: kept.school, is_kept: true }
  } catch (error) {
    if (!kept || !isOutOfReach(error)) throw error
    link.failed()
    return { ...kept, is_kept: true }
  }
}

export const api = {
  session,
  serverSession,
  signIn: (login: string, password: string, code = '') =>
    withToken(answered(http.POST('/api/session', { body: { login, password, code: code.trim() || null } }))),
  forgotten: (login: string) => answered(http.POST('/api/password/forgotten', { body: { login } })),
  secondFactor: () => answered(http.GET('/api/second-factor')),
  beginSecondFactor: (password: string) => answered(http.POST('/api/second-factor/begin', { body: { password } })),
  confirmSecondFactor: (code: string) => answered(http.POST('/api/second-factor/confirm', { body: { code } })),
  endSecondFactor: (password: string) => answered(http.POST('/api/second-factor/off', { body: { password } })),
  takeSecondFactor: (person_id: number, password: string) =>
    answered(
      http.POST('/api/people/{person_id}/second-factor/off', {
        params: { path: { person_id } },
        body: { password },
      }),
    ),
  signInDemo: (person_id: number) => withToken(answered(http.POST('/api/session/demo', { body: { person_id } }))),
  signOut,
  setUp: (body: {
    code: string
    school_name: string
    name: string
    login: string
    password: string
    with_examples: boolean
  }) => withToken(answered(http.POST('/api/setup', { body }))),
  invite: (name: string, role: Role) => answered(http.POST('/api/invitations', { body: { name, role } })),
  lookAtInvitation: (token: string) => answered(http.POST('/api/invitations/look', { body: { token } })),
  join: (token: string, login: string, password: string) =>
    withToken(answered(http.POST('/api/invitations/accept', { body: { token, login, password } }))),
  signIns: () => answered(http.GET('/api/sign-ins')),
  endSignIn: (sign_in_id: string) =>
    answered(http.DELETE('/api/sign-ins/{sign_in_id}', { params: { path: { sign_in_id } } })),
  endOtherSignIns: () => answered(http.DELETE('/api/sign-ins')),
  changePassword: (old: string, password: string) => answered(http.PUT('/api/password', { body: { old, password } })),
  lookAtReset: (token: string) => answered(http.POST('/api/password/look', { body: { token } })),
  setPassword: (token: string, password: string, login: string | null) =>
    withToken(answered(http.POST('/api/password/set', { body: { token, password, login } }))),
  passwordLink: (person_id: number) =>
    answered(http.POST('/api/people/{person_id}/password-link', { params: { path: { person_id } } })),
  changePerson: (person_id: number, body: { name?: string; role?: Role; is_active?: boolean }) =>
    answered(http.PATCH('/api/people/{person_id}', { params: { path: { person_id } }, body })),
  left: () => answered(http.GET('/api/people/left')),
  invitations: () => answered(http.GET('/api/invitations')),
  withdrawInvitation: (invitation_id: number) =>
    answered(http.DELETE('/api/invitations/{invitation_id}', { params: { path: { invitation_id } } })),
  deeds: (what: DeedKind | null, before: number | null) =>
    answered(
      http.GET('/api/deeds', {
        params: { query: { ...(what ? { what } : {}), ...(before === null ? {} : { before }) } },
      }),
    ),
  catalogue: () => answered(http.GET('/api/catalogue')),
  sorties: (query: Partial<SortieSearch> = {}) =>
    answered(http.GET('/api/sorties', { params: { query: query as SortieSearch } })),
  days: (first_day: string, last_day: string) =>
    answered(http.GET('/api/sorties/days', { params: { query: { first_day, last_day } as SortieSearch } })),
  proposal: (student_id: number | null) =>
    answered(
      http.GET('/api/sorties/proposal', {
        params: { query: { today: today(), ...(student_id === null ? {} : { student_id }) } },
      }),
    ),
  copySortie: (sortie_id: number, planned_on: string, planned_time: string | null) =>
    answered(
      http.POST('/api/sorties/{sortie_id}/copy', {
        params: { path: { sortie_id } },
        body: { planned_on, planned_time },
      }),
    ),
  cancelSortie: (sortie_id: number, reason: string) =>
    answered(http.PUT('/api/sorties/{sortie_id}/cancellation', { params: { path: { sortie_id } }, body: { reason } })),
  flyAfterAll: (sortie_id: number) =>
    answered(http.DELETE('/api/sorties/{sortie_id}/cancellation', { params: { path: { sortie_id } } })),
  removeSortie: (sortie_id: number) =>
    answered(http.DELETE('/api/sorties/{sortie_id}', { params: { path: { sortie_id } } })),
  restoreSortie: (sortie_id: number) =>
    answered(http.POST('/api/sorties/{sortie_id}/restore', { params: { path: { sortie_id } } })),
  record: (student_id: number, standard_id: number | null = null) =>
    answered(
      http.GET('/api/students/{student_id}', {
        params: { path: { student_id }, query: { today: today(), ...(standard_id === null ? {} : { standard_id }) } },
      }),
    ),
  examined: (sortie_id: number) =>
    answered(http.GET('/api/sorties/{sortie_id}/examined', { params: { path: { sortie_id } } })),
  mockTest: (student_id: number, planned_on: string, standard_id: number | null) =>
    answered(
      http.POST('/api/students/{student_id}/mock-test', {
        params: { path: { student_id } },
        body: { planned_on, standard_id },
      }),
    ),
  week: (first_day: string, mine: boolean) =>
    answered(http.GET('/api/week', { params: { query: { first_day, today: today(), mine } } })),
  timeline: (student_id: number, before: number | null = null) =>
    answered(
      http.GET('/api/students/{student_id}/timeline', {
        params: { path: { student_id }, query: before === null ? {} : { before } },
      }),
    ),
  noteExercise: (
    student_id: number,
    body: { code: string; noted: 'introduced' | 'practised'; noted_on: string; words: string | null },
  ) => answered(http.POST('/api/students/{student_id}/notes', { params: { path: { student_id } }, body })),
  takeNoteBack: (student_id: number, note_id: number) =>
    answered(http.DELETE('/api/students/{student_id}/notes/{note_id}', { params: { path: { student_id, note_id } } })),
  makeNextSortie: (student_id: number, planned_on: string) =>
    answered(
      http.POST('/api/students/{student_id}/next-sortie', { params: { path: { student_id } }, body: { planned_on } }),
    ),
  signOffs: (student_id: number) =>
    answered(http.GET('/api/students/{student_id}/signoffs', { params: { path: { student_id } } })),
  lookBeforeSigning: (student_id: number, body: EntryIn) =>
    answered(http.POST('/api/students/{student_id}/signoffs/look', { params: { path: { student_id } }, body })),
  sign: (student_id: number, body: EntryIn & { password: string }) =>
    answered(http.POST('/api/students/{student_id}/signoffs', { params: { path: { student_id } }, body })),
  homework: (student_id: number) =>
    answered(http.GET('/api/students/{student_id}/homework', { params: { path: { student_id } } })),
  giveHomework: (student_id: number, body: HomeworkIn) =>
    answered(http.POST('/api/students/{student_id}/homework', { params: { path: { student_id } }, body })),
  markHomework: (student_id: number, homework_id: number, body: { done?: boolean; seen?: boolean }) =>
    answered(
      http.PATCH('/api/students/{student_id}/homework/{homework_id}', {
        params: { path: { student_id, homework_id } },
        body,
      }),
    ),
  takeHomeworkBack: (student_id: number, homework_id: number) =>
    answered(
      http.DELETE('/api/students/{student_id}/homework/{homework_id}', {
        params: { path: { student_id, homework_id } },
      }),
    ),
  takeInSchool: (file: File) =>
    answered(
      http.PUT('/api/archive/school', {
        body: file as never,
        bodySerializer: (raw: unknown) => raw as Blob,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    ),
  backup: () => answered(http.GET('/api/backup')),
  overview: () => answered(http.GET('/api/overview', { params: { query: { today: today() } } })),
  syllabus: () => answered(http.GET('/api/syllabus')),
  takeInSyllabus: (text: string) => answered(http.POST('/api/syllabus/file', { body: { text } })),
  changeSyllabus: (exercises: Exercise[]) => answered(http.PUT('/api/syllabus', { body: { exercises } })),
  faults: (runway_end_id: number | null, home_end_id: number | null) =>
    answered(
      http.GET('/api/faults', {
        params: { query: runway_end_id === null || home_end_id === null ? {} : { runway_end_id, home_end_id } },
      }),
    ),
  logbook: (query: { after?: string; first_day?: string; last_day?: string; person_id?: number } = {}) =>
    answered(http.GET('/api/logbook', { params: { query } })),
  draftLine: (sortie_id: number) =>
    answered(http.GET('/api/logbook/draft/{sortie_id}', { params: { path: { sortie_id } } })),
  writeLine: (line: LogLine, sortie_id: number | null) =>
    answered(http.POST('/api/logbook', { body: { line, sortie_id } })),
  bringLineBack: (entry_id: number) =>
    answered(http.POST('/api/logbook/{entry_id}/restore', { params: { path: { entry_id } } })),
  removeLine: (entry_id: number) =>
    answered(http.DELETE('/api/logbook/{entry_id}', { params: { path: { entry_id } } })),
  takeInLogbook: (text: string) => answered(http.POST('/api/logbook/file', { body: { text } })),
  makeCalendarLink: () => answered(http.POST('/api/calendar')),
  endCalendarLink: () => answered(http.DELETE('/api/calendar')),
  makeFlownSortie: (file_id: string, body: FlownSortie) =>
    answered(http.POST('/api/tracks/{file_id}/sortie', { params: { path: { file_id } }, body })),
  sortie: (sortie_id: number) => answered(http.GET('/api/sorties/{sortie_id}', { params: { path: { sortie_id } } })),
  createSortie: (body: SortieIn) => answered(http.POST('/api/sorties', { body })),
  /** `was` is what is changed as it was seen: where somebody else changed it meanwhile, nothing is written. */
  changeSortie: (sortie_id: number, body: Partial<SortieChange>, was?: object) =>
    answered(
      http.PATCH('/api/sorties/{sortie_id}', {
        headers: ifSeen(null),
        params: { path: { sortie_id } },
        body: (was ? { ...body, was } : body) as SortieChange,
      }),
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
  keepAircraft: (spec: AircraftSpec, row_id: number | null, seen: number | null = null) =>
    row_id === null
      ? answered(http.POST('/api/aircraft', { body: { spec } }))
      : answered(
          http.PUT('/api/aircraft/{row_id}', { headers: ifSeen(seen), params: { path: { row_id } }, body: { spec } }),
        ),
  keepStandard: (spec: Standard, row_id: number | null, seen: number | null = null) =>
    row_id === null
      ? answered(http.POST('/api/standards', { body: { spec } }))
      : answered(
          http.PUT('/api/standards/{row_id}', { headers: ifSeen(seen), params: { path: { row_id } }, body: { spec } }),
        ),
  keepTechnique: (name: string, spec: Technique, row_id: number | null, seen: number | null = null) =>
    row_id === null
      ? answered(http.POST('/api/techniques', { body: { name, spec } }))
      : answered(
          http.PUT('/api/techniques/{row_id}', {
            headers: ifSeen(seen),
            params: { path: { row_id } },
            body: { name, spec },
          }),
        ),
  checkTechnique: (spec: Technique) => answered(http.POST('/api/techniques/check', { body: { spec } })),
  makeTechniqueMine: (row_id: number) =>
    answered(http.POST('/api/techniques/{row_id}/mine', { params: { path: { row_id } } })),
  readTable: (kind: 'landing' | 'takeoff', text: string) =>
    answered(http.POST('/api/tables', { body: { kind, text } })),
  loading: (aircraft_id: number, loading: { people_lb: number[]; bags_lb: number; fuel_gal: number }) =>
    answered(http.POST('/api/loading', { body: { aircraft_id, loading } })),
  keepAirfield: (geojson: GeoJson, airfield_id: number | null, seen: number | null = null) =>
    airfield_id === null
      ? answered(http.POST('/api/airfields', { body: { geojson } }))
      : answered(
          http.PUT('/api/airfields/{airfield_id}', {
            headers: ifSeen(seen),
            params: { path: { airfield_id } },
            body: { geojson },
          }),
        ),
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
  sendLaps: (sortie_id: number, changes: SentChange[]) =>
    answered(http.POST('/api/sorties/{sortie_id}/laps/sent', { params: { path: { sortie_id } }, body: { changes } })),
  /** `sent_at`: what this device's clock shows, where the positions are dated by it. */
  sendTrack: (sortie_id: number, track_id: string, body: Blob, sent_at: string | null = null) =>
    answered(
      http.PUT('/api/sorties/{sortie_id}/tracks/{track_id}', {
        params: { path: { sortie_id, track_id }, query: (sent_at ? { sent_at } : {}) as never },
        body: body as never,
        bodySerializer: (raw: unknown) => raw as Blob,
        headers: { 'Content-Type': 'application/gzip' },
      }),
    ),
  tracks: (sortie_id: number) =>
    answered(http.GET('/api/sorties/{sortie_id}/tracks', { params: { path: { sortie_id } } })),
  aboard: (sortie_id: number) =>
    answered(
      http.GET('/api/sorties/{sortie_id}/aboard', { params: { path: { sortie_id } } }),
    ) as Promise<unknown> as Promise<Aboard>,
  school: () => answered(http.GET('/api/school')),
  changeSchool: (body: Partial<SchoolChange>) => answered(http.PATCH('/api/school', { body: body as SchoolChange })),
  setCrosswindLimit: (person_id: number, crosswind_limit_kt: number | null) =>
    answered(http.PATCH('/api/people/{person_id}', { params: { path: { person_id } }, body: { crosswind_limit_kt } })),
  erase: (person_id: number, name: string, password: string) =>
    answered(
      http.POST('/api/people/{person_id}/erasure', { params: { path: { person_id } }, body: { name, password } }),
    ),
  fleet: () => answered(http.GET('/api/fleet')),
  trackFiles: () => answered(http.GET('/api/tracks')),
  trackFile: (file_id: string) => answered(http.GET('/api/tracks/{file_id}', { params: { path: { file_id } } })),
  sendTrackFile: (file_id: string, file: File) =>
    answered(
      http.PUT('/api/tracks/{file_id}', {
        params: { path: { file_id }, query: { name: file.name } as never },
        body: file as never,
        bodySerializer: (raw: unknown) => raw as Blob,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    ),
  removeTrackFile: (file_id: string) =>
    answered(http.DELETE('/api/tracks/{file_id}', { params: { path: { file_id } } })),
  restoreTrackFile: (file_id: string) =>
    answered(http.POST('/api/tracks/{file_id}/restore', { params: { path: { file_id } } })),
  analyseTrack: (file_id: string, aircraft_id: number | null) =>
    answered(http.POST('/api/tracks/{file_id}/analysis', { params: { path: { file_id } }, body: { aircraft_id } })),
  trackColumns: (file_id: string) =>
    answered(http.GET('/api/tracks/{file_id}/columns', { params: { path: { file_id } } })),
  correctColumns: (file_id: string, body: CsvColumns) =>
    answered(http.PUT('/api/tracks/{file_id}/columns', { params: { path: { file_id } }, body })),
  proposeMatch: (file_id: string, sortie_id: number) =>
    answered(http.GET('/api/tracks/{file_id}/match/{sortie_id}', { params: { path: { file_id, sortie_id } } })),
  confirmMatch: (file_id: string, body: Match) =>
    answered(http.POST('/api/tracks/{file_id}/match', { params: { path: { file_id } }, body })),
  takeMatchBack: (file_id: string) =>
    answered(http.DELETE('/api/tracks/{file_id}/match', { params: { path: { file_id } } })),
  replayLap: (file_id: string, number: number) =>
    answered(http.GET('/api/tracks/{file_id}/laps/{number}', { params: { path: { file_id, number } } })),
  measureFromTablet: (sortie_id: number) =>
    answered(http.POST('/api/tracks/of-sortie/{sortie_id}', { params: { path: { sortie_id } } })),
  correctReading: (sortie_id: number, lap_id: string, measure: Measure, value: number | null, seen: number | null) =>
    answered(
      http.POST('/api/sorties/{sortie_id}/laps/{lap_id}/reading', {
        params: { path: { sortie_id, lap_id } },
        body: { measure, value, seen },
      }),
    ),
}

export const sessionQuery = { queryKey: ['session'] as const, queryFn: api.session, staleTime: Infinity }
/** Aircraft, fields and people; without a server as they were when something was taken along last. */
export const catalogueQuery = {
  queryKey: ['catalogue'] as const,
  queryFn: () =>
    orCopy(api.catalogue, async () => {
      const rows = (await allAboard()).sort((a, b) => a.taken_at.localeCompare(b.taken_at))
      const kept = rows.at(-1)?.data.catalogue
      return kept ? () => kept : null
    }),
  staleTime: 60_000,
}
/** Sorties that are looked for, a page of them; without a server those that were taken along. */
export const sortiesQuery = (search: Partial<SortieSearch> = {}) => ({
  queryKey: ['sorties', search] as const,
  queryFn: (): Promise<{ sorties: SortieLine[]; after: string | null }> =>
    orCopy(
      () => api.sorties(search),
      async () => {
        const waiting = await keptRows()
        const lines = (await allAboard()).map(({ data }) => lineOf(data, waiting))
        if (!lines.length) return null
        return () => ({ sorties: lines.filter((one) => isLookedFor(one, search)), after: null })
      },
    ),
})
/** As the server looks, of what is aboard. */
function isLookedFor(one: SortieLine, { first_day, last_day, text = '', state }: Partial<SortieSearch>): boolean {
  const said = [one.student_name, one.instructor_name, one.aircraft_name, one.airfield, one.runway_ident, one.landing]
  const words = text.toLowerCase().split(/\s+/).filter(Boolean)
  return (
    (!first_day || one.planned_on >= first_day) &&
    (!last_day || one.planned_on <= last_day) &&
    (!state || state === (one.cancelled_for ? 'cancelled' : one.laps ? 'flown' : 'planned')) &&
    words.every((word) => said.join(' ').toLowerCase().includes(word))
  )
}
export const recordQuery = (id: number, standard_id: number | null = null) => ({
  queryKey: ['record', id, standard_id] as const,
  queryFn: () => api.record(id, standard_id),
})
export const signOffsQuery = (id: number) => ({
  queryKey: ['record', id, 'signoffs'] as const,
  queryFn: () => api.signOffs(id),
})
export const homeworkQuery = (id: number) => ({
  queryKey: ['record', id, 'homework'] as const,
  queryFn: () => api.homework(id),
})
export const overviewQuery = { queryKey: ['overview'] as const, queryFn: api.overview }
export const syllabusQuery = { queryKey: ['syllabus'] as const, queryFn: api.syllabus }
export const logbookQuery = { queryKey: ['logbook'] as const, queryFn: () => api.logbook() }
/** How many sorties each day of some weeks has. */
export const daysQuery = (first_day: string, last_day: string) => ({
  queryKey: ['sorties', 'days', first_day, last_day] as const,
  queryFn: () => api.days(first_day, last_day),
})
export const proposalQuery = (student_id: number | null) => ({
  queryKey: ['sorties', 'proposal', student_id] as const,
  queryFn: () => api.proposal(student_id),
})
/** A line of the list, with the laps that wait on this device. */
function lineOf({ sortie: one, laps }: Aboard, waiting: readonly Waiting[]): SortieLine {
  const { student, instructor, aircraft, standard, runway, ...plain } = one
  return {
    ...plain,
    student_id: student.id,
    student_name: student.name,
    instructor_id: instructor.id,
    instructor_name: instructor.name,
    aircraft_id: aircraft.id,
    aircraft_name: aircraft.name,
    runway_ident: runway.ident,
    standard_id: standard.id,
    standard_name: standard.name,
    laps: shownLaps(
      laps.laps,
      waiting.filter((row) => row.sortie_id === one.id),
    ).length,
  }
}
export const sortieQuery = (id: number) => ({
  queryKey: ['sortie', id] as const,
  queryFn: () =>
    orAboard(
      id,
      () => api.sortie(id),
      (copy) => copy.sortie,
    ),
})
export const briefQuery = (id: number) => ({
  queryKey: ['brief', id] as const,
  queryFn: () =>
    orAboard(
      id,
      () => api.brief(id),
      (copy) => copy.brief,
    ),
})
export const planQuery = (id: number) => ({
  queryKey: ['plan', id] as const,
  queryFn: () =>
    orAboard(
      id,
      () => api.plan(id),
      (copy) => copy.plan,
    ),
})
export const kneeboardQuery = (id: number) => ({
  queryKey: ['kneeboard', id] as const,
  queryFn: () =>
    orAboard(
      id,
      () => api.kneeboard(id),
      (copy) => ({ kneeboard: copy.kneeboard }),
    ),
})
export const disputesQuery = { queryKey: ['disputes'] as const, queryFn: api.disputes, staleTime: Infinity }
export const lapsQuery = (id: number) => ({
  queryKey: ['laps', id] as const,
  queryFn: () =>
    orAboard(
      id,
      () => api.laps(id),
      (copy) => copy.laps,
    ),
})
/** A wind as the API is asked for it. */
export const windAsked = (wind: WindRead) => ({
  wind_dir_deg_mag: wind.from_deg_mag,
  wind_kt: wind.kt,
  gust_kt: wind.gust_kt,
})
/** The brief of one lap that may be of another kind or spot than the sortie's. */
export const briefForQuery = (
  id: number,
  landing: LandingKind,
  spot_ft: number,
  runway_end_id: number | null,
  wind: WindRead | null,
) => ({
  queryKey: ['brief', id, landing, spot_ft, runway_end_id, wind] as const,
  queryFn: () =>
    orAboard(
      id,
      () => api.brief(id, { landing, spot_ft, runway_end_id, ...(wind ? windAsked(wind) : {}) }),
      (copy): BriefOut => {
        const brief = briefHere(copy, landing, runway_end_id ?? copy.sortie.runway_end_id, spot_ft, wind)
        if (!brief)
          throw new ApiError(0, 'That landing or runway was not taken along: it cannot be briefed without a network.')
        return { brief, change: null }
      },
    ),
  placeholderData: <T>(before: T) => before,
})
/** What a change would do: the server says it; without a network the device does, for spot and wind. */
export const briefAsked = (id: number, asked: Partial<BriefChanges>) =>
  orAboard(
    id,
    () => api.brief(id, asked),
    ({ sortie, ...copy }): BriefOut => {
      const { spot_ft, wind_dir_deg_mag, wind_kt, gust_kt, ...more } = asked
      if (Object.keys(more).length)
        throw new ApiError(
          0,
          'Without a network only the spot and the wind can be asked about: the rest needs the server.',
        )
      const kt = wind_kt === undefined ? sortie.wind_kt : wind_kt
      const from_deg_mag = wind_dir_deg_mag === undefined ? sortie.wind_dir_deg_mag : wind_dir_deg_mag
      const gust = gust_kt === undefined ? sortie.gust_kt : gust_kt
      const wind = kt === null ? null : { from_deg_mag, kt, gust_kt: gust === null ? null : Math.max(gust, kt) }
      const spot = spot_ft ?? sortie.spot_ft
      const brief = briefHere({ sortie, ...copy }, sortie.landing, sortie.runway_end_id, spot, wind)
      if (!brief) throw new ApiError(0, 'This landing was not taken along: it cannot be asked about without a network.')
      return { brief, change: null }
    },
  )
/** The runways of a field, best first; of a sortie that was taken along also without a network. */
export const rankAsked = (airfield_id: number, sortie_id: number | null, asked: RankingIn) => {
  const ask = () => api.rankRunways(airfield_id, asked)
  if (sortie_id === null) return ask()
  return orAboard(sortie_id, ask, (copy) => {
    if (airfield_id !== copy.sortie.airfield_id || asked.wind_kt == null)
      throw new ApiError(
        0,
        'Without a network only the field that was taken along can be ranked, in a wind that is given.',
      )
    const from_deg_mag =
      asked.wind_dir_deg_mag ??
      (asked.wind_dir_deg_true == null
        ? null
        : asked.wind_dir_deg_true - (copy.sortie.runway.magnetic_variation_deg ?? 0))
    const wind = { from_deg_mag, kt: asked.wind_kt, gust_kt: asked.gust_kt ?? null }
    return { ends: rankHere(copy, asked.landing ?? copy.sortie.landing, wind) }
  })
}
export const schoolQuery = { queryKey: ['school'] as const, queryFn: api.school }
export const tracksQuery = { queryKey: ['tracks'] as const, queryFn: api.trackFiles }
export const trackQuery = (id: string) => ({
  queryKey: ['track', id] as const,
  queryFn: () => api.trackFile(id),
  staleTime: 1_000,
})
/** A lap of a flight never changes while its analysis stands. */
export const replayQuery = (id: string, number: number) => ({
  queryKey: ['track', id, 'lap', number] as const,
  queryFn: () => api.replayLap(id, number),
  staleTime: 600_000,
})
/** A flight and its first lap are asked for while the screen that shows them is still being loaded. */
export async function askForTrack(client: QueryClient, id: string) {
  const flight = await client.fetchQuery(trackQuery(id))
  const first = flight.track.state === 'done' ? flight.laps[0] : undefined
  if (first) await client.prefetchQuery(replayQuery(id, first.number))
}
export const backupQuery = { queryKey: ['backup'] as const, queryFn: api.backup, staleTime: 600_000 }
export const fleetQuery = { queryKey: ['fleet'] as const, queryFn: api.fleet }

let refreshing = 0
/** A sortie that is aboard is taken along anew after it changed, so that the copy is never behind for long. */
async function refreshAboard(id: number) {
  const copy = await aboardOf(id)
  if (!copy || !link.reached.value) return
  // without an answer, or with a full storage, the copy stays as it was
  await api
    .aboard(id)
    .then((data) => keepAboard(copy.person_id, data))
    .catch(() => undefined)
}

/** After a sortie or its laps changed, everything shown of it is asked for again. */
export async function forgetSortie(client: QueryClient, id: number) {
  window.clearTimeout(refreshing)
  refreshing = window.setTimeout(() => void refreshAboard(id), 1_500)
  await Promise.all(
    [['sorties'], ['sortie', id], ['brief', id], ['plan', id], ['laps', id], ['kneeboard', id]].map((queryKey) =>
      client.invalidateQueries({ queryKey }),
    ),
  )
}
