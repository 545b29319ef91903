/** Every question that is put to the server, and what is written there, by one name each. */
import { say } from '@/said'
import { allAboard, isOutOfReach } from '@/offline/aboard'
import { forgetPerson, hasEnded, isEnding, keepSession, keptSession, noteEnding } from '@/offline/device'
import { link } from '@/offline/link'
import { today } from '@/words'
import { answered, ApiError, http, rememberCsrfToken } from './client'
import { doNothingMore } from './later'
import type { Language } from '@/said'
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
  Laps,
  Plan,
  PracticeAnswers,
  PracticeAsked,
  PlanChanges,
  RankingIn,
  SchoolChange,
  Role,
  SentChange,
  Session,
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
  doNothingMore()
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
    if (kept && !asked) throw new ApiError(0, say('device.no-network'))
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
  chooseLanguage: (language: Language | null) => withToken(answered(http.PUT('/api/language', { body: { language } }))),
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
  practicePath: (query: PracticeAsked) => answered(http.GET('/api/practice/path', { params: { query } })),
  practiceRoundout: (query: PracticeAsked) => answered(http.GET('/api/practice/roundout', { params: { query } })),
  practised: (body: PracticeAnswers) => answered(http.POST('/api/practice', { body })),
  practice: (student_id: number | null) =>
    answered(http.GET('/api/practice', { params: { query: student_id === null ? {} : { student_id } } })),
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
    ) as Promise<unknown> as Promise<{ plan: Plan; usual_marks?: string[] }>,
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
