/**
 * Answers without a network: reading between the values of the table that the server handed along. The model itself
 * stays on the server; its own result takes the place of these as soon as it is reached.
 */
import { say } from '@/said'
import type { Brief } from '@/api/types'
import { round } from '@/words'
import type { WindOn } from './wind'

export interface AnswerTable {
  speed_kias: number[]
  headwind_kt: number[]
  touchdown_minus_aim_ft: number[][]
  scatter_ft: number[]
  shift_ft: number[]
  hit_chance: number[][]
  bias_share: number[]
  briefed_speed_kias: number
  briefed_headwind_kt: number
  /** false: nobody has given the wind, and the briefed one is a calm; missing of older copies */
  wind_is_known?: boolean
  briefed_aim_ft: number
  spot_ft: number
  target_minus_spot_ft: number
  box_minus_spot_ft: number[]
  bias_ft: number
  pilot_scatter_ft: number
  /** how much farther the speed flown lately lands than the briefed one */
  habit_ft: number
  /** of a touchdown as flown lately, and if the briefed speed is flown, beside what the winds do */
  forecast_sd_ft: number
  forecast_if_briefed_sd_ft: number
  aim_step_ft: number
  in_wind: InWind
}

/** What follows the wind as it is read now: rows by the step of the gust spread, columns by the table's headwinds. */
export interface InWind {
  /** of the grid of touchdowns: by how much the winds briefed move their mean, and by how much they scatter them */
  winds_ft: number
  winds_sd_ft: number
  gust_spread_kt: number[]
  approach_speed_kias: number[]
  /** of a rule of thumb, by headwind; null: the aim is worked out */
  before_spot_ft: number[] | null
  roll_point_ft: (number | null)[][]
  climb_point_ft: (number | null)[][]
  stop_roll_ft: (number | null)[][]
  over_50_ft: (number | null)[][]
  part_point_ft: number
  part_point_by: Brief['ground']['go_around_by']
  set_point_ft: number | null
  available_ft: number
  is_good_in_a_breeze: boolean
  cautions: { severity: 'stop' | 'mind' | 'know'; words: string; alone_only: boolean }[]
}

/** What is known of one lap: null where nobody saw it. */
export interface Flown {
  along_ft: number | null
  aim_ft: number
  threshold_speed_kias: number | null
  headwind_kt: number | null
  /** left out of learning: a gust, traffic, the instructor flew */
  excluded: boolean
}

export interface DevicePart {
  cause: 'aim' | 'speed' | 'wind' | 'rest'
  label: string
  feet: number | null
}

/** Where a value lies among rising ones: the index below it and the share of the way to the next. */
function between(values: readonly number[], at: number): [number, number] {
  let i = 0
  while (i < values.length - 2 && values[i + 1]! <= at) i += 1
  return [i, (at - values[i]!) / (values[i + 1]! - values[i]!)]
}

/** Read a grid between its values; null outside of it, where reading would be guessing. */
export function readGrid(
  rows: readonly number[],
  columns: readonly number[],
  grid: readonly (readonly number[])[],
  row: number,
  column: number,
): number | null {
  if (row < rows[0]! || row > rows.at(-1)! || column < columns[0]! || column > columns.at(-1)!) return null
  const [i, u] = between(rows, row)
  const [j, v] = between(columns, column)
  const near = grid[i]![j]! * (1 - v) + grid[i]![j + 1]! * v
  const far = grid[i + 1]![j]! * (1 - v) + grid[i + 1]![j + 1]! * v
  return near * (1 - u) + far * u
}

/** Feet from the aim point to the touchdown at a speed and headwind, without the pilot's own bias. */
export function touchdownMinusAimFt(table: AnswerTable, speedKias: number, headwindKt: number): number | null {
  return readGrid(table.speed_kias, table.headwind_kt, table.touchdown_minus_aim_ft, speedKias, headwindKt)
}

const clamp = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value))

/** Chance that the touchdown lies in the box, for a scatter and a shift of the middle from the target. */
export function hitChance(table: AnswerTable, scatterFt: number, shiftFt: number): number {
  const scatter = clamp(scatterFt, table.scatter_ft[0]!, table.scatter_ft.at(-1)!)
  const shift = clamp(shiftFt, table.shift_ft[0]!, table.shift_ft.at(-1)!)
  return readGrid(table.scatter_ft, table.shift_ft, table.hit_chance, scatter, shift)!
}

const WILD = 2.5 // so many scatters off, a lap counts no further

/** Whether the wind of a lap is known: read on it, or given when it was briefed. */
const hasWind = (table: AnswerTable, lap: Flown) => lap.headwind_kt !== null || table.wind_is_known !== false

/** What laps teach, oldest first: the pilot's bias, and how far the aim point has moved for it, one step a lap. */
export function learned(table: AnswerTable, laps: readonly Flown[]): { bias_ft: number; moved_ft: number } {
  let sum = 0
  let count = 0
  let bias = table.bias_ft
  let moved = 0
  const far = WILD * table.pilot_scatter_ft
  for (const lap of laps) {
    const expected =
      lap.excluded || lap.along_ft === null || !hasWind(table, lap)
        ? null
        : touchdownMinusAimFt(
            table,
            lap.threshold_speed_kias ?? table.briefed_speed_kias,
            lap.headwind_kt ?? table.briefed_headwind_kt,
          )
    if (expected !== null) {
      sum += clamp(lap.along_ft! - lap.aim_ft - expected - table.bias_ft, -far, far)
      count += 1
      const share = table.bias_share[Math.min(count, table.bias_share.length) - 1]!
      bias = table.bias_ft + (share * sum) / count
    }
    moved = clamp(table.bias_ft - bias, moved - table.aim_step_ft, moved + table.aim_step_ft)
  }
  return { bias_ft: bias, moved_ft: moved }
}

export interface NextLap {
  aim_point_ft: number
  speed_kias: number
  predicted_ft: number
  /** as flown lately, and if the briefed speed is flown */
  hit_chance: number
  hit_chance_if_briefed: number
  /** by how much the winds of now scatter the touchdowns beyond those briefed [ft²] */
  more_ft2: number
  /** and by how much more a knot moves them than in the wind briefed, where it is more */
  wider: number
}

const GUSTS_MET = [0.1, 0.3, 0.5, 0.7, 0.9] // anywhere between the steady wind and the gust
const FROM_ALL_ROUND = [0, 1, 2, 3, 4, 5, 6, 7].map((eighth) => Math.cos((eighth * Math.PI) / 4 + 0.2))

/** Headwinds that may be met in a wind: those between steady and gust; of one from anywhere, those from all round. */
function headsMet(wind: WindOn): number[] {
  if (wind.head_kt === null || wind.gust_head_kt === null) return FROM_ALL_ROUND.map((share) => share * wind.any_way_kt)
  const [head, gust] = [wind.head_kt, wind.gust_head_kt]
  return GUSTS_MET.map((share) => head + share * (gust - head))
}

/** A figure of a grid by gust and headwind; null where one of its neighbours is unknown. */
export function cellAt(table: AnswerTable, grid: readonly (readonly (number | null)[])[], wind: WindOn): number | null {
  const steps = table.in_wind.gust_spread_kt
  const spread = clamp(wind.spread_kt, steps[0]!, steps.at(-1)!)
  const [i] = between(steps, spread)
  const head = clamp(wind.sure_head_kt, table.headwind_kt[0]!, table.headwind_kt.at(-1)!)
  const [j, share] = between(table.headwind_kt, head)
  // a neighbour that is not needed may be unknown
  const columns = share === 0 ? [j] : share === 1 ? [j + 1] : [j, j + 1]
  const needed = [grid[i]!, grid[i + 1]!].flatMap((row) => columns.map((column) => row[column]))
  if (needed.some((one) => one === null || one === undefined)) return null
  const filled = grid.map((row) => row.map((one) => one ?? 0))
  return readGrid(steps, table.headwind_kt, filled, spread, head)
}

/** The approach speed by the gust of a wind. */
export function speedIn(table: AnswerTable, wind: WindOn): number {
  const steps = table.in_wind.gust_spread_kt
  const [i, share] = between(steps, clamp(wind.spread_kt, steps[0]!, steps.at(-1)!))
  const speeds = table.in_wind.approach_speed_kias
  return speeds[i]! * (1 - share) + speeds[i + 1]! * share
}

/**
 * The next lap's aim point, each lap having taught a step at most; `spotFt` may be another spot, and `now` the wind as it
 * was read last, on the runway.
 */
export function nextLap(
  table: AnswerTable,
  laps: readonly Flown[],
  spotFt: number = table.spot_ft,
  now: WindOn | null = null,
): NextLap | null {
  const briefed = touchdownMinusAimFt(table, table.briefed_speed_kias, table.briefed_headwind_kt)
  if (briefed === null) return null
  const speed = now ? speedIn(table, now) : table.briefed_speed_kias
  let float = briefed
  let more = 0 // what the winds of now scatter beyond those briefed, as a variance
  if (now) {
    const met = headsMet(now).map((head) => touchdownMinusAimFt(table, speed, head))
    if (met.some((one) => one === null)) return null
    const known = met as number[]
    const middle = known.reduce((sum, one) => sum + one, 0) / known.length
    float = middle - table.in_wind.winds_ft
    more = known.reduce((sum, one) => sum + (one - middle) ** 2, 0) / known.length - table.in_wind.winds_sd_ft ** 2
  }
  const { bias_ft: bias, moved_ft: moved } = learned(table, laps)
  const target = spotFt + table.target_minus_spot_ft
  const thumb = table.in_wind.before_spot_ft ? beforeSpot(table, now?.head_kt ?? table.briefed_headwind_kt) : null
  const aim =
    thumb === null ? table.briefed_aim_ft + (spotFt - table.spot_ft) + moved + briefed - float : spotFt - thumb
  const predicted = aim + float + bias
  const wider = now ? Math.max(1, perKt(table, speed, now) / perKt(table, table.briefed_speed_kias, null)) : 1
  const scatter = (sd: number) => Math.sqrt(Math.max(1, (sd * wider) ** 2 + more))
  return {
    aim_point_ft: aim,
    speed_kias: speed,
    predicted_ft: predicted,
    hit_chance: hitChance(table, scatter(table.forecast_sd_ft), predicted + table.habit_ft - target),
    hit_chance_if_briefed: hitChance(table, scatter(table.forecast_if_briefed_sd_ft), predicted - target),
    more_ft2: more,
    wider,
  }
}

/** How far a knot moves the touchdown [ft/kt], with the wind of now or the briefed one. */
function perKt(table: AnswerTable, speed: number, now: WindOn | null): number {
  const from = clamp(speed, table.speed_kias[0]!, table.speed_kias.at(-1)! - 2)
  const head = clamp(now?.head_kt ?? table.briefed_headwind_kt, table.headwind_kt[0]!, table.headwind_kt.at(-1)!)
  return (touchdownMinusAimFt(table, from + 2, head)! - touchdownMinusAimFt(table, from, head)!) / 2
}

/** A rule of thumb: how far before the spot, by the headwind. */
function beforeSpot(table: AnswerTable, headwindKt: number): number {
  const rule = table.in_wind.before_spot_ft!
  const head = clamp(headwindKt, table.headwind_kt[0]!, table.headwind_kt.at(-1)!)
  const [j, share] = between(table.headwind_kt, head)
  return rule[j]! * (1 - share) + rule[j + 1]! * share
}

export interface DeviceResult {
  error_ft: number | null
  hit: boolean | null
  words: string
  parts: DevicePart[]
  cue: string
}

const SMALL_FT = 40 // under this a part is within what a tap on the strip can tell
const LEADS_FROM = 1 / 3 // of all the feet of the parts, from which a known part leads

/** What happened, in true feet, and from where they count, as the core says it. */
function happened(table: AnswerTable, errorFt: number): string {
  if (Math.abs(errorFt) < 5) return say('device.it-touched-where-it-should')
  const origin =
    Math.abs(table.target_minus_spot_ft) < 0.5 ? say('device.the-spot') : say('device.the-middle-of-the-box')
  return say('device.it-touched-ft', {
    error_ft: round(Math.abs(errorFt), 10),
    error_ft_2: errorFt > 0 ? say('device.beyond') : say('device.before'),
    origin,
  })
}

/** The one change, by the core's rule: a known part leads from a third on, else what is to be measured next. */
function change(table: AnswerTable, lap: Flown, parts: readonly DevicePart[]): string {
  const size = (part: DevicePart) => Math.abs(part.feet ?? 0)
  const whole = parts.reduce((sum, part) => sum + size(part), 0)
  const known = parts.filter((part) => part.cause !== 'rest' && part.feet !== null)
  const lead = known.reduce((most, part) => (size(part) > size(most) ? part : most))
  const feet = Math.round(size(lead) / 10) * 10
  const way = (lead.feet ?? 0) > 0 ? say('device.longer') : say('common.shorter')
  if (size(lead) >= SMALL_FT && size(lead) >= whole * LEADS_FROM)
    return lead.cause === 'speed'
      ? say('device.speed-made-it-ft-fly', { feet, way, briefed_speed_kias: Math.round(table.briefed_speed_kias) })
      : lead.cause === 'aim'
        ? say('device.the-aim-point-made-it', { feet, way })
        : say('device.the-wind-made-it-ft', { feet, way })
  const rest = parts.find((part) => part.cause === 'rest')!
  if (size(rest) < SMALL_FT) return say('device.nothing-to-change-fly-it')
  if (lap.threshold_speed_kias === null) return say('device.why-cannot-be-told-since')
  if (!hasWind(table, lap)) return say('device.why-cannot-be-told-without-wind')
  return say('device.why-cannot-be-told-yet')
}

/** What one lap shows, as far as the table can tell: the parts add up to the error. */
export function lapOnDevice(table: AnswerTable, lap: Flown, spotFt: number, recommendedAimFt: number): DeviceResult {
  if (lap.along_ft === null) {
    return {
      error_ft: null,
      hit: null,
      words: say('device.no-touchdown'),
      parts: [],
      cue: say('device.nothing-to-explain-nothing-to'),
    }
  }
  const target = spotFt + table.target_minus_spot_ft
  const error = lap.along_ft - target
  const [from, to] = [spotFt + table.box_minus_spot_ft[0]!, spotFt + table.box_minus_spot_ft[1]!]
  const hit = lap.along_ft >= from && lap.along_ft <= to
  const briefed = touchdownMinusAimFt(table, table.briefed_speed_kias, table.briefed_headwind_kt)
  const atSpeed =
    lap.threshold_speed_kias === null
      ? null
      : touchdownMinusAimFt(table, lap.threshold_speed_kias, table.briefed_headwind_kt)
  const speed = briefed === null || atSpeed === null ? null : atSpeed - briefed
  const atWind =
    lap.headwind_kt === null
      ? null
      : touchdownMinusAimFt(table, lap.threshold_speed_kias ?? table.briefed_speed_kias, lap.headwind_kt)
  const before = atSpeed ?? briefed
  const wind = atWind === null || before === null ? null : atWind - before
  const aim = lap.aim_ft - recommendedAimFt
  const rest = error - aim - (speed ?? 0) - (wind ?? 0)
  const parts: DevicePart[] = [
    { cause: 'aim', label: say('common.aim'), feet: aim },
    { cause: 'speed', label: say('common.speed'), feet: speed },
    { cause: 'wind', label: say('common.wind'), feet: wind },
    { cause: 'rest', label: say('device.roundout-and-hold-off'), feet: rest },
  ]
  const cue = `${happened(table, error)} ${change(table, lap, parts)}`
  const off = hit
    ? ''
    : lap.along_ft > to
      ? say('device.ft-beyond-the-box', { to: Math.round(lap.along_ft - to) })
      : say('device.ft-short-of-the-box', { along_ft: Math.round(from - lap.along_ft) })
  return { error_ft: error, hit, words: hit ? say('common.in-the-box') : off, parts, cue }
}
