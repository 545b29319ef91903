/** Each resource's key and its fetch, declared together. */
import { say } from '@/said'
import type { QueryClient } from '@tanstack/vue-query'
import { allAboard, aboardOf, keepAboard, orAboard, orCopy } from '@/offline/aboard'
import { link } from '@/offline/link'
import type { Waiting } from '@/offline/device'
import { keptRows } from '@/offline/disk'
import { shownLaps } from '@/offline/shown'
import { briefHere, rankHere } from '@/offline/tables'
import type { WindRead } from '@/offline/wind'
import { ApiError } from './client'
import type { BriefChanges, BriefOut, Aboard, LandingKind, RankingIn, SortieLine, SortieSearch } from './types'
import { api } from './calls'
import { doSoon } from './later'

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
        if (!brief) throw new ApiError(0, say('device.that-landing-or-runway-was'))
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
      if (Object.keys(more).length) throw new ApiError(0, say('device.without-a-network-only-the'))
      const kt = wind_kt === undefined ? sortie.wind_kt : wind_kt
      const from_deg_mag = wind_dir_deg_mag === undefined ? sortie.wind_dir_deg_mag : wind_dir_deg_mag
      const gust = gust_kt === undefined ? sortie.gust_kt : gust_kt
      const wind = kt === null ? null : { from_deg_mag, kt, gust_kt: gust === null ? null : Math.max(gust, kt) }
      const spot = spot_ft ?? sortie.spot_ft
      const brief = briefHere({ sortie, ...copy }, sortie.landing, sortie.runway_end_id, spot, wind)
      if (!brief) throw new ApiError(0, say('device.this-landing-was-not-taken'))
      return { brief, change: null }
    },
  )
/** The runways of a field, best first; of a sortie that was taken along also without a network. */
export const rankAsked = (airfield_id: number, sortie_id: number | null, asked: RankingIn) => {
  const ask = () => api.rankRunways(airfield_id, asked)
  if (sortie_id === null) return ask()
  return orAboard(sortie_id, ask, (copy) => {
    if (airfield_id !== copy.sortie.airfield_id || asked.wind_kt == null)
      throw new ApiError(0, say('device.only-the-field-taken-along'))
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
  doSoon(() => void refreshAboard(id))
  await Promise.all(
    [['sorties'], ['sortie', id], ['brief', id], ['plan', id], ['laps', id], ['kneeboard', id]].map((queryKey) =>
      client.invalidateQueries({ queryKey }),
    ),
  )
}
