/**
 * Answers without a network: reading between the values of the table that the server handed along. The model itself
 * stays on the server; its own result takes the place of these as soon as it is reached.
 */
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
}

/**
 * The next lap's aim point, each lap having taught a step at most; `spotFt` may be another spot, and `headwindNowKt` the
 * wind as it was read last.
 */
export function nextLap(
  table: AnswerTable,
  laps: readonly Flown[],
  spotFt: number = table.spot_ft,
  headwindNowKt: number | null = null,
): NextLap | null {
  const briefed = touchdownMinusAimFt(table, table.briefed_speed_kias, table.briefed_headwind_kt)
  const float = touchdownMinusAimFt(table, table.briefed_speed_kias, headwindNowKt ?? table.briefed_headwind_kt)
  if (float === null || briefed === null) return null
  const { bias_ft: bias, moved_ft: moved } = learned(table, laps)
  const target = spotFt + table.target_minus_spot_ft
  const aim = table.briefed_aim_ft + (spotFt - table.spot_ft) + moved + briefed - float
  const predicted = aim + float + bias
  return {
    aim_point_ft: aim,
    speed_kias: table.briefed_speed_kias,
    predicted_ft: predicted,
    hit_chance: hitChance(table, table.forecast_sd_ft, predicted + table.habit_ft - target),
    hit_chance_if_briefed: hitChance(table, table.forecast_if_briefed_sd_ft, predicted - target),
  }
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

/** What happened, in true feet. */
function happened(errorFt: number): string {
  if (Math.abs(errorFt) < 5) return 'It touched where it should.'
  return `It touched ${Math.round(Math.abs(errorFt) / 10) * 10} ft ${errorFt > 0 ? 'long' : 'short'}.`
}
/** The one change, by the core's rule: a known part leads from a third on, else what is to be measured next. */
function change(table: AnswerTable, lap: Flown, parts: readonly DevicePart[]): string {
  const size = (part: DevicePart) => Math.abs(part.feet ?? 0)
  const whole = parts.reduce((sum, part) => sum + size(part), 0)
  const known = parts.filter((part) => part.cause !== 'rest' && part.feet !== null)
  const lead = known.reduce((most, part) => (size(part) > size(most) ? part : most))
  const feet = Math.round(size(lead) / 10) * 10
  const way = (lead.feet ?? 0) > 0 ? 'longer' : 'shorter'
  if (size(lead) >= SMALL_FT && size(lead) >= whole * LEADS_FROM)
    return lead.cause === 'speed'
      ? `Speed made it ${feet} ft ${way}: fly ${Math.round(table.briefed_speed_kias)}.`
      : lead.cause === 'aim'
        ? `The aim point made it ${feet} ft ${way}.`
        : `The wind made it ${feet} ft ${way}.`
  const rest = parts.find((part) => part.cause === 'rest')!
  if (size(rest) < SMALL_FT) return 'Fly the same again.'
  if (lap.threshold_speed_kias === null)
    return 'Why cannot be told, since nobody read the speed over the threshold: read it on the next lap.'
  if (!hasWind(table, lap)) return 'Why cannot be told, since nobody has given the wind.'
  return 'Why cannot be told yet: time the hold-off on the next lap.'
}

/** What one lap shows, as far as the table can tell: the parts add up to the error. */
export function lapOnDevice(table: AnswerTable, lap: Flown, spotFt: number, recommendedAimFt: number): DeviceResult {
  if (lap.along_ft === null) {
    return {
      error_ft: null,
      hit: null,
      words: 'No touchdown',
      parts: [],
      cue: 'Nothing to explain. Fly the same aim point again.',
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
    { cause: 'aim', label: 'Aim', feet: aim },
    { cause: 'speed', label: 'Speed', feet: speed },
    { cause: 'wind', label: 'Wind', feet: wind },
    { cause: 'rest', label: 'Roundout and hold-off', feet: rest },
  ]
  const cue = `${happened(error)} ${change(table, lap, parts)}`
  const off = hit
    ? ''
    : lap.along_ft > to
      ? `${Math.round(lap.along_ft - to)} ft beyond the box`
      : `${Math.round(from - lap.along_ft)} ft short of the box`
  return { error_ft: error, hit, words: hit ? 'In the box' : off, parts, cue }
}

/** One limit of the day, as the brief holds it. */
export interface WindLimit {
  name: string
  limit_kt: number
  source: string
}
/** Over a limit, in words; an empty list where the wind is within all of them. Limits themselves are still within. */
export function overLimits(
  limits: readonly WindLimit[],
  wind: { along_kt: number; across_kt: number },
  mostTailwindKt = 10,
): string[] {
  const across = Math.abs(wind.across_kt)
  const said = limits
    .filter((one) => across > one.limit_kt)
    .map(
      (one) =>
        `Crosswind ${Math.round(across)} kt is over the ${one.name} limit of ${Math.round(one.limit_kt)} kt (${one.source}).`,
    )
  if (-wind.along_kt > mostTailwindKt)
    said.push(
      `Tailwind ${Math.round(-wind.along_kt)} kt is over the limit of ${mostTailwindKt} kt: choose another end.`,
    )
  return said
}
