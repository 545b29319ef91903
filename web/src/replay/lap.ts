/** One lap of a recorded flight as it is drawn: columns of one length, seconds from its end. Plain reckoning. */
import { say } from '@/said'
import type { Outcome, Replay, TrackEvent } from '@/api/types'
import { OUTCOME_LABEL } from '@/words'

export type Column = 'along_ft' | 'lateral_ft' | 'height_ft' | 'groundspeed_kt' | 'bank_deg' | 'climb_fpm'

/** Laps laid over each other are told apart by line and by colour. */
export const LINES = [
  { stroke: 'var(--ink)', dash: '' },
  { stroke: 'var(--pass)', dash: '9 4' },
  { stroke: 'var(--spot)', dash: '2 4' },
] as const
export const MOST_LAPS = LINES.length
export const line = (order: number) => LINES[order % LINES.length]!

/** Index of the last sample at or before a time; 0 before the first. */
export function indexAt(times: readonly number[], time: number): number {
  let low = 0
  let high = times.length - 1
  while (low < high) {
    const middle = (low + high + 1) >> 1
    if (times[middle]! <= time) low = middle
    else high = middle - 1
  }
  return low
}

/** A column at a time, between its samples; null where it is unknown. */
export function valueAt(lap: Replay, column: Column, time: number): number | null {
  const k = indexAt(lap.time_s, time)
  const values = lap[column] as (number | null)[]
  const [a, b] = [values[k], values[k + 1]]
  if (a === null || a === undefined) return null
  const [from, to] = [lap.time_s[k]!, lap.time_s[k + 1]]
  if (b === null || b === undefined || to === undefined || time <= from) return a
  return a + (b - a) * Math.min(1, (time - from) / (to - from))
}

/** Every lap's times span this. */
export function spanOf(laps: readonly Replay[]): [number, number] {
  return [Math.min(...laps.map((lap) => lap.time_s[0] ?? 0)), Math.max(...laps.map((lap) => lap.time_s.at(-1) ?? 0))]
}

/** The last sample of which something is true; -1 when it is of none. */
export function lastIndex(lap: Replay, isSo: (k: number) => boolean): number {
  for (let k = lap.time_s.length - 1; k >= 0; k--) if (isSo(k)) return k
  return -1
}

/** How a lap ended, in words. */
export const endedBy = (event: TrackEvent) =>
  OUTCOME_LABEL[(event.kind === 'touchdown' ? (event.then ?? 'full_stop') : event.kind) as Outcome]

export interface Moment {
  label: string
  time: number
}

/** Moments of a lap to jump to, in the order flown. */
export function momentsOf(lap: Replay, landed: boolean): Moment[] {
  const found: Moment[] = []
  const before = (k: number) => lap.time_s[k]! < 0
  const high = (k: number, feet: number) => (lap.height_ft[k] ?? 0) > feet
  const up = lap.time_s.findIndex((_, k) => before(k) && high(k, 50))
  if (up > 0 && !high(0, 50)) found.push({ label: say('common.takeoff'), time: lap.time_s[up]! - 3 })
  // abeam: going back past the threshold, well to the side
  const abeam = lap.along_ft.findIndex(
    (along, k) => k > 0 && before(k) && along <= 0 && lap.along_ft[k - 1]! > 0 && Math.abs(lap.lateral_ft[k]!) > 1_000,
  )
  if (abeam > 0) found.push({ label: say('replay.abeam'), time: lap.time_s[abeam]! })
  for (const feet of [500, 300]) {
    const down = lastIndex(
      lap,
      (k) => k > 0 && before(k) && lap.along_ft[k]! < 0 && high(k - 1, feet) && !high(k, feet),
    )
    if (down > 0) found.push({ label: `${feet} ft`, time: lap.time_s[down]! })
  }
  const over = lastIndex(lap, (k) => k > 0 && before(k) && lap.along_ft[k]! >= 0 && lap.along_ft[k - 1]! < 0)
  if (over > 0) found.push({ label: say('replay.threshold'), time: lap.time_s[over]! })
  found.push({ label: landed ? say('common.touchdown') : say('replay.lowest'), time: 0 })
  return found.sort((a, b) => a.time - b.time)
}

/** A path through a lap's samples, broken where the recorder was silent or a value is unknown. */
export function pathOf(lap: Replay, place: (k: number) => readonly [number, number] | null): string {
  const silent = 4 * Math.max(0.2, (lap.time_s.at(-1)! - lap.time_s[0]!) / lap.time_s.length) + 2
  let path = ''
  let pen = false
  for (let k = 0; k < lap.time_s.length; k++) {
    const at = place(k)
    if (!at) {
      pen = false
      continue
    }
    if (k && lap.time_s[k]! - lap.time_s[k - 1]! > silent) pen = false
    path += `${pen ? 'L' : 'M'}${at[0].toFixed(1)} ${at[1].toFixed(1)}`
    pen = true
  }
  return path
}
