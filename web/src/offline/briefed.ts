/** A brief in the wind of now, made on this device of the brief that was taken along: the server's takes its place later. */
import { say } from '@/said'
import type { Brief } from '@/api/types'
import { cellAt, nextLap, type AnswerTable, type Flown } from './answers'
import { exceeded, limitWords, type WindOn } from './wind'

type Caution = Brief['cautions'][number]
const FPM_PER_KT = 6_076.12 / 60
const SURE_FT = 80 // [own] that 19 of 20 may lie farther than the table can tell in another wind
const Z95 = 1.645 // of a normal distribution

const said = (severity: Caution['severity'], words: string): Caution => ({ severity, words, alone_only: false })
const ORDER = ['stop', 'mind', 'know']
/** By their severity, each once; within one severity as they came. */
function gravestFirst(cautions: readonly Caution[]): Caution[] {
  const once = cautions.filter((one, i) => cautions.findIndex((other) => other.words === one.words) === i)
  return [...once].sort((a, b) => ORDER.indexOf(a.severity) - ORDER.indexOf(b.severity))
}
const least = (values: readonly (number | null)[]) => {
  const known = values.filter((one): one is number => one !== null)
  return known.length ? Math.min(...known) : null
}

/** The wind of a brief as it is now, by the same rows that the server holds it against. */
function windPart(brief: Brief, now: WindOn, fromDegMag: number | null): Brief['wind'] {
  const worst = now.cross_kt === null ? null : now.values.crosswind * (now.cross_kt < 0 ? -1 : 1)
  return {
    ...brief.wind,
    is_known: true,
    headwind_kt: now.head_kt,
    crosswind_kt: now.cross_kt,
    gust_headwind_kt: now.gust_head_kt,
    gust_crosswind_kt: now.gust_cross_kt,
    worst_crosswind_kt: worst,
    least_headwind_kt: now.head_kt === null ? null : now.sure_head_kt,
    wind_dir_deg_mag: fromDegMag,
    crosswind: null, // hands and feet are told by the server alone
    crosswind_limits: brief.wind.crosswind_limits.map((one) => ({
      ...one,
      within: now.values.crosswind <= one.limit_kt,
    })),
  }
}

interface Places {
  roll: number | null
  climb: number | null
  over50: number | null
  stopRoll: number | null
}

/** What of the ground forbids an aim: the core's rules, by the figures of the table. */
function placeProblems(table: AnswerTable, at: Places, touch: { mean: number; far: number; boxTo: number }): string[] {
  const found: string[] = []
  const { available_ft: available } = table.in_wind
  for (const [place, what] of [
    [at.roll, say('device.ground-roll-fits')],
    [at.climb, 'go-around clears what stands beyond the end'],
  ] as const) {
    if (place === null) continue
    if (place < 0) found.push(say('device.in-this-wind-there-is', { what }))
    else if (touch.boxTo > place) found.push(say('device.in-this-wind-the-box', { what }))
    else if (touch.mean > place || touch.far > place) found.push(say('device.in-this-wind-the-wheels', { what }))
  }
  const stop = at.stopRoll === null ? null : touch.far + at.stopRoll
  if ((at.over50 !== null && at.over50 > available) || (stop !== null && stop > available))
    found.push(say('device.in-this-wind-the-runway'))
  return found
}

/**
 * The brief with the aim of the next lap: what waits on this device has taught it, and it stands in the wind of `now`, or
 * in the briefed one where nobody has read another.
 */
export function briefNow(
  brief: Brief,
  table: AnswerTable,
  flown: readonly Flown[],
  spotFt: number,
  now: WindOn | null,
  fromDegMag: number | null,
): Brief {
  const next = nextLap(table, flown, spotFt, now)
  const over = now ? exceeded(brief.wind.limits, now) : []
  const ofWind = over.map((one) => ({
    severity: one.severity,
    words: limitWords(one, now!),
    alone_only: one.alone_only,
  }))
  if (!next) {
    const why = say('device.in-this-wind-the-device')
    return {
      ...brief,
      wind: now ? windPart(brief, now, fromDegMag) : brief.wind,
      aim: { ...brief.aim, aim_is_good: false },
      cautions: [said('stop', why), ...ofWind],
    }
  }
  const { aim, touchdown, speed, ground } = brief
  const isSet = aim.is_set_by_instructor && spotFt === aim.spot_ft
  const aimFt = isSet ? aim.aim_point_ft : next.aim_point_ft
  const moved = spotFt - aim.spot_ft
  const predicted = next.predicted_ft + aimFt - next.aim_point_ft
  const by = predicted - touchdown.predicted_touchdown_ft
  const lately = predicted + table.habit_ft
  const box: [number, number] = [aim.box_ft[0]! + moved, aim.box_ft[1]! + moved]
  const mean = Math.max(predicted, lately)
  // 19 of 20: so far beyond the mean as they were, and as much more as the gusts of now scatter them
  const beyond = touchdown.touchdown_95_ft - Math.max(touchdown.predicted_touchdown_ft, touchdown.predicted_lately_ft)
  const far = mean + (now ? SURE_FT : 0) + Math.sqrt(Math.max(0, (beyond * next.wider) ** 2 + Z95 ** 2 * next.more_ft2))
  const shift = (pair: readonly number[]): [number, number] => [pair[0]! + by, pair[1]! + by]

  const places: Places = now
    ? {
        roll: cellAt(table, table.in_wind.roll_point_ft, now),
        climb: cellAt(table, table.in_wind.climb_point_ft, now),
        over50: cellAt(table, table.in_wind.over_50_ft, now),
        stopRoll: cellAt(table, table.in_wind.stop_roll_ft, now),
      }
    : {
        roll: ground.roll_point_ft,
        climb: ground.climb_point_ft,
        over50: ground.landing_margin.over_50_ft_ft,
        stopRoll:
          ground.landing_margin.stop_95_ft === null
            ? null
            : ground.landing_margin.stop_95_ft - touchdown.touchdown_95_ft,
      }
  const problems = placeProblems(table, places, { mean, far, boxTo: box[1] })
  const nearestAim = aim.recommended_aim_point_ft - (aim.spot_ft - aim.nearest_good_spot_ft)
  if (aimFt < nearestAim - 0.5) problems.push(say('device.on-the-path-to-this'))
  const base = now ? table.in_wind.is_good_in_a_breeze : aim.aim_is_good
  const stops = over.filter((one) => one.severity === 'stop' && !one.alone_only)
  const isGood = base && !problems.length && !stops.length

  const points: [number | null, Brief['ground']['go_around_by']][] = [
    [table.in_wind.part_point_ft, table.in_wind.part_point_by],
    [places.roll, 'roll'],
    [places.climb, 'climb'],
  ]
  const nearest = points.reduce((one, two) => (two[0] !== null && two[0] < one[0]! ? two : one))
  const set = table.in_wind.set_point_ft
  const margins = [
    places.over50 === null ? null : table.in_wind.available_ft - places.over50,
    places.stopRoll === null ? null : table.in_wind.available_ft - far - places.stopRoll,
  ]
  const unknownRoll = now && places.roll === null && ground.roll_point_ft !== null
  const groundKt =
    now?.head_kt == null
      ? null
      : (speed.approach_speed_ktas * next.speed_kias) / speed.approach_speed_kias - now.head_kt
  return {
    ...brief,
    wind: now ? windPart(brief, now, fromDegMag) : brief.wind,
    speed: !now
      ? speed
      : {
          ...speed,
          approach_speed_kias: next.speed_kias,
          recommended_speed_kias: next.speed_kias,
          approach_speed_steps: next.speed_kias === speed.approach_speed_kias ? speed.approach_speed_steps : [],
          stall_margin_kt: speed.stall_margin_kt + next.speed_kias - speed.approach_speed_kias,
          approach_groundspeed_kt: groundKt,
          descent_rate_fpm:
            groundKt === null
              ? null
              : Math.max(0, groundKt) * FPM_PER_KT * Math.tan((speed.path_angle_deg * Math.PI) / 180),
        },
    cautions: gravestFirst([
      ...problems.map((words) => said('stop', words)),
      ...ofWind,
      ...(unknownRoll ? [said('mind', say('device.how-far-it-rolls-in'))] : []),
      ...(now ? table.in_wind.cautions : brief.cautions),
    ]),
    aim: {
      ...aim,
      spot_ft: spotFt,
      box_ft: box,
      target_ft: aim.target_ft + moved,
      aim_point_ft: aimFt,
      recommended_aim_point_ft: next.aim_point_ft,
      best_aim_point_ft: next.aim_point_ft,
      aim_is_good: isGood,
      aim_problems: problems,
      hit_chance: next.hit_chance,
      hit_chance_if_briefed: next.hit_chance_if_briefed,
      hit_words: '',
      aim_before_spot_words: '',
    },
    touchdown: {
      ...touchdown,
      predicted_touchdown_ft: predicted,
      predicted_lately_ft: lately,
      predicted_band_ft: shift(touchdown.predicted_band_ft),
      touchdown_95_ft: far,
      roundout_start_ft: touchdown.roundout_start_ft + aimFt - aim.aim_point_ft,
      hold_off_start_ft: touchdown.hold_off_start_ft + aimFt - aim.aim_point_ft,
    },
    ground: {
      ...ground,
      roll_point_ft: places.roll,
      climb_point_ft: places.climb,
      nearest_point_ft: nearest[0]!,
      go_around_point_ft: set ?? nearest[0]!,
      go_around_by: set === null ? nearest[1] : 'instructor',
      box_fits: problems.length ? false : ground.box_fits,
      landing_margin: {
        ...ground.landing_margin,
        margin_ft: least(margins),
        margin_words: least(margins) === null ? say('device.how-much-runway-the-landing') : '',
      },
    },
    rollout: now
      ? { ...brief.rollout, stop_ft: null, stop_minus_aim_ft: null, exits: [], rollout_words: [] }
      : brief.rollout,
  }
}
