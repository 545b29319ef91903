/** What a sortie that was taken along answers by: for each landing and runway a brief and its table. */
import { say } from '@/said'
import type { Aboard, Brief, LandingKind } from '@/api/types'
import type { AnswerTable } from './answers'
import { briefNow } from './briefed'
import { lacking, round, toSpare } from '@/words'
import { exceeded, limitWords, windOn, type WindLimit, type WindOn, type WindRead } from './wind'

export interface Answers {
  brief: Brief
  table: AnswerTable
  courseDegMag: number
}

/** Brief and table of a landing on a runway; null where that was not taken along. */
export function answersOf(copy: Aboard, landing: LandingKind, endId: number): Answers | null {
  const { sortie } = copy
  const course = sortie.ends?.find((one) => one.id === endId)?.course_deg_mag ?? sortie.course_deg_mag
  const found =
    endId === sortie.runway_end_id
      ? {
          brief: (copy.briefs as Record<string, Brief>)[landing],
          answers: (copy.answers as unknown as Record<string, AnswerTable>)[landing],
        }
      : copy.elsewhere.find((one) => one.runway_end_id === endId && one.landing === landing)
  if (!found?.brief || !found.answers) return null
  return { brief: found.brief as Brief, table: found.answers as unknown as AnswerTable, courseDegMag: course }
}

/** A landing as it would be briefed, in the wind of now where somebody read one; null where it was not taken along. */
export function briefHere(
  copy: Aboard,
  landing: LandingKind,
  endId: number,
  spotFt: number,
  wind: WindRead | null,
): Brief | null {
  const found = answersOf(copy, landing, endId)
  if (!found) return null
  const now = wind && windOn(wind, found.courseDegMag)
  return briefNow(found.brief, found.table, [], spotFt, now, wind?.from_deg_mag ?? null)
}

type RankedEnd = Aboard['plan']['plan']['runway_ranking'][number]
const OF_THE_WIND = new Set(['wind', 'headwind', 'crosswind', 'takeoff margin', 'landing margin'])
const LEAST_MARGIN_FT = 100 // left, below which the server does not speak of a margin
const OVER_LIMIT = 100 // as the server counts: no headwind makes up for it
const ORDER = [true, null, false]

type Reason = RankedEnd['reasons'][number]
function reason(
  name: string,
  value: number | null,
  unit: string,
  words: string,
  points: number,
  more: Partial<Reason> = {},
): Reason {
  return { name, value, unit, words, points, over_limit: false, is_unknown: false, ...more }
}

/** Along and across in the server's words; a tailwind that only the gusts bring counts too. */
function windReasons(on: WindOn): Reason[] {
  const knots = (value: number) => `${round(Math.abs(value))} kt`
  const tail = on.values.tailwind
  if (on.head_kt === null || on.cross_kt === null) {
    const words = say('device.wind-of-from-no-known', { any_way_kt: knots(on.any_way_kt) })
    return [reason('wind', null, 'kt', words, -4 * tail)]
  }
  const inGusts = (words: string, does: boolean) => (does ? say('device.in-the-gusts', { words }) : words)
  const along =
    tail > 0
      ? inGusts(say('device.tailwind', { tail: knots(tail) }), tail > Math.max(0, -on.head_kt) + 0.5)
      : say('device.headwind', { head_kt: knots(on.head_kt) })
  const worst = on.values.crosswind
  const across = inGusts(say('device.crosswind', { worst: knots(worst) }), worst > Math.abs(on.cross_kt) + 0.5)
  return [
    reason('headwind', on.head_kt, 'kt', along, tail > 0 ? -4 * tail : on.head_kt),
    reason('crosswind', worst, 'kt', across, -worst / 2),
  ]
}

function marginReason(margin: number | null): Reason {
  const of = (words: string, points: number, more: Partial<Reason> = {}) =>
    reason('landing margin', margin, 'ft', say('device.landing-margin', { words }), points, more)
  if (margin === null) return of(say('common.unknown'), 0, { is_unknown: true })
  if (margin < 0) return of(say('device.too-short', { margin: lacking(margin) }), -OVER_LIMIT, { over_limit: true })
  const left = toSpare(margin)
  return of(
    margin < LEAST_MARGIN_FT ? say('device.only', { left }) : say('device.to-spare', { left }),
    Math.min(margin, 1_000) / 500,
  )
}

/**
 * The ends of the field in another wind, best first: limits as the server holds them, the landing margin by the tables,
 * the rest as it was taken along. How much runway the takeoff takes in another wind is not known here.
 */
export function rankHere(copy: Aboard, landing: LandingKind, wind: WindRead): RankedEnd[] {
  const { sortie } = copy
  const kept = new Map(copy.plan.plan.runway_ranking.map((one) => [one.ident, one]))
  const ranked = sortie.ends.map((end): RankedEnd => {
    const ident = end.runway.ident
    const on = windOn(wind, end.course_deg_mag)
    const brief = briefHere(copy, landing, end.id, sortie.spot_ft, wind)
    const over = exceeded(copy.brief.brief.wind.limits as WindLimit[], on).filter((one) => one.severity === 'stop')
    const rest = (kept.get(ident)?.reasons ?? []).filter(
      (one) => !OF_THE_WIND.has(one.name) && !one.name.endsWith(' limit'),
    )
    const margin = brief?.ground.landing_margin.margin_ft ?? null
    const reasons = [
      ...windReasons(on),
      ...over.map((one) =>
        reason(
          `${one.name} ${one.quantity.replace('_', ' ')} limit`,
          on.values[one.quantity] - one.limit_kt,
          'kt over',
          limitWords(one, on),
          -OVER_LIMIT,
          { over_limit: true },
        ),
      ),
      marginReason(margin),
      reason('takeoff margin', null, 'ft', say('device.takeoff-margin-unknown-without-a'), 0, { is_unknown: true }),
      ...rest,
    ]
    const isOver = reasons.some((one) => one.over_limit)
    return {
      ident,
      reasons,
      points: reasons.reduce((sum, one) => sum + one.points, 0),
      within_limits: isOver ? false : null,
      headwind_kt: on.head_kt,
      crosswind_kt: on.cross_kt,
      takeoff_margin_ft: null,
      landing_margin_ft: margin,
      sun_in_the_eyes: kept.get(ident)?.sun_in_the_eyes ?? null,
    }
  })
  return ranked.sort((a, b) => ORDER.indexOf(a.within_limits) - ORDER.indexOf(b.within_limits) || b.points - a.points)
}
