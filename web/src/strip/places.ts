/** Where things lie on a runway, in feet from the landing threshold; plain reckoning without a browser. */
import type { Brief, Runway } from '@/api/types'

// FAA AC 150/5340-1, values from memory: centreline stripes and gaps, number 60 ft tall 20 ft from the threshold
const STRIPE_FT = 120
const GAP_FT = 80
const NUMBER_FROM_FT = 20
const NUMBER_FT = 60
const FIRST_STRIPE_FT = NUMBER_FROM_FT + NUMBER_FT + 40
const AIMING_MARK_FT = 150

export interface Stretch {
  from: number
  to: number
}

/** What is drawn on the strip: of a brief, or of a lap already flown, which has no prediction any more. */
export interface Marks {
  spot_ft: number
  box_ft: readonly [number, number]
  /** null: nobody knows where it was aimed */
  aim_point_ft: number | null
  go_around_point_ft: number | null
  predicted_band_ft?: readonly [number, number] | undefined
  aim_is_good?: boolean
}
/** What of a brief is drawn on the strip. */
export function marksOf(brief: Brief): Marks {
  const { aim, ground, touchdown } = brief
  return {
    spot_ft: aim.spot_ft,
    box_ft: aim.box_ft as [number, number],
    aim_point_ft: aim.aim_point_ft,
    go_around_point_ft: ground.go_around_point_ft,
    predicted_band_ft: touchdown.predicted_band_ft as [number, number],
    aim_is_good: aim.aim_is_good || aim.is_set_by_instructor,
  }
}

export const hasPaint = (runway: Runway) => runway.surface === 'asphalt' || runway.surface === 'concrete'
export const landingLength = (runway: Runway) => runway.length_ft - (runway.displaced_threshold_ft ?? 0)
export const pavedStart = (runway: Runway) => -(runway.displaced_threshold_ft ?? 0)

/** Centreline stripes from the number to just before the far number. */
export function stripes(runway: Runway): Stretch[] {
  if (!hasPaint(runway)) return []
  const found: Stretch[] = []
  const last = landingLength(runway) - FIRST_STRIPE_FT
  for (let from = FIRST_STRIPE_FT; from + STRIPE_FT <= last; from += STRIPE_FT + GAP_FT) {
    found.push({ from, to: from + STRIPE_FT })
  }
  return found
}

export const numberPlace: Stretch = { from: NUMBER_FROM_FT, to: NUMBER_FROM_FT + NUMBER_FT }

/** The pair of broad marks to aim at; null where none are painted. */
export function aimingMarks(runway: Runway): Stretch | null {
  if (!runway.aiming_marks_ft) return null
  return { from: runway.aiming_marks_ft, to: runway.aiming_marks_ft + AIMING_MARK_FT }
}

/** A value brought onto a grid: taps and drags snap to it. */
export const snap = (value: number, step: number) => Math.round(value / step) * step
export const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value))

/** Stretch of runway worth showing when the whole of it would be too small to tap. */
export function windowAround(
  runway: Runway,
  spotFt: number,
  width: number,
  feetPerPixel: number,
  beforeFt = 60,
): Stretch {
  const start = pavedStart(runway) - beforeFt
  const end = landingLength(runway) + 40
  const span = Math.min(end - start, width * feetPerPixel)
  const from = clamp(spotFt - span * 0.4, start, end - span)
  return { from, to: from + span }
}

/**
 * Whether a good aim point is still good when it or its box has moved: no nearer than the nearest good one, and with the
 * box before the places that roll and climb allow. One that was not good stays so until the server is asked.
 */
export function staysGood(brief: Brief, aimFt: number, boxToFt: number): boolean {
  const { aim, ground } = brief
  const nearestFt = aim.recommended_aim_point_ft - (aim.spot_ft - aim.nearest_good_spot_ft)
  const farthestFt = Math.min(ground.roll_point_ft ?? Infinity, ground.climb_point_ft ?? Infinity)
  return aim.aim_is_good && aimFt >= nearestFt - 0.5 && boxToFt <= farthestFt + 0.5
}

/** A brief with its places moved along with the spot: exact while wind and speed stay, so a drag needs no answer. */
export function movedBy(brief: Brief, feet: number): Brief {
  if (feet === 0) return brief
  const move = (pair: readonly [number, number]): [number, number] => [pair[0] + feet, pair[1] + feet]
  const { aim, touchdown } = brief
  return {
    ...brief,
    aim: {
      ...aim,
      spot_ft: aim.spot_ft + feet,
      target_ft: aim.target_ft + feet,
      box_ft: move(aim.box_ft as [number, number]),
      aim_point_ft: aim.aim_point_ft + feet,
      aim_is_good: staysGood(brief, aim.aim_point_ft + feet, aim.box_ft[1]! + feet),
      recommended_aim_point_ft: aim.recommended_aim_point_ft + feet,
      best_aim_point_ft: aim.best_aim_point_ft + feet,
    },
    touchdown: {
      ...touchdown,
      roundout_start_ft: touchdown.roundout_start_ft + feet,
      hold_off_start_ft: touchdown.hold_off_start_ft + feet,
      predicted_touchdown_ft: touchdown.predicted_touchdown_ft + feet,
      predicted_band_ft: move(touchdown.predicted_band_ft as [number, number]),
    },
  }
}
