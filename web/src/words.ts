/** Numbers and choices as they are shown; a choice without a label does not compile. */
import { labels, locale, say } from '@/said'
import { now } from './hours'
import type { Brief, Caution, ExerciseKind, LandingKind, Outcome, Sortie, Standard, Takeoff } from './api/types'

const LANDING_NAMES = {
  normal: 'common.normal',
  crosswind: 'common.crosswind',
  short_field: 'common.short-field',
  soft_field: 'common.soft-field',
  power_off: 'common.power-off-180',
  no_flap: 'common.no-flap',
  forward_slip: 'common.forward-slip',
  three_point: 'common.three-point',
  wheel_landing: 'common.wheel-landing',
} as const
export const LANDING_LABEL = labels<LandingKind>(LANDING_NAMES)
export const EXERCISE_LABEL = labels<ExerciseKind>({
  ...LANDING_NAMES,
  go_around: 'common.go-around',
  low_approach: 'common.low-approach',
  hold_off_drill: 'words.hold-off-drill',
})
/** Whether a standard judges a kind of landing: what has no tolerance of its own is judged as a normal one. */
export const TAILWHEEL_ONLY: LandingKind[] = ['three_point', 'wheel_landing']
export function examines(standard: Standard, kind: LandingKind): boolean {
  return !!standard[kind === 'short_field' || kind === 'power_off' ? kind : 'normal']
}
export const TAKEOFF_LABEL = labels<Takeoff['kind']>({
  normal: 'common.normal',
  crosswind: 'common.crosswind',
  short_field: 'common.short-field',
  soft_field: 'common.soft-field',
})
export const LEG_LABEL = labels({
  upwind: 'words.upwind',
  crosswind: 'words.crosswind-leg',
  downwind: 'words.downwind',
  base: 'common.base',
  final: 'common.final',
})
export const OUTCOME_LABEL = labels<Outcome>({
  touch_and_go: 'words.touch-and-go',
  full_stop: 'words.full-stop',
  stop_and_go: 'words.stop-and-go',
  go_around: 'common.go-around',
  low_approach: 'common.low-approach',
  drill: 'words.hold-off-drill',
})
/** What stands before a caution: colour never speaks alone. */
export const SEVERITY_SIGN: Record<Caution['severity'], string> = { stop: '✕', mind: '▲', know: '·' }
/** Ends of a lap without a touchdown. */
export const NOT_LANDED = new Set<Outcome>(['go_around', 'low_approach', 'drill'])
export const OUTCOMES = Object.keys(OUTCOME_LABEL) as Outcome[]

const formats = new Map<string, Intl.NumberFormat>()
/** A number as the spoken language writes it, with so many decimals. */
export function fixed(value: number, digits: number): string {
  const key = `${locale()} ${digits}`
  let format = formats.get(key)
  if (!format) {
    format = new Intl.NumberFormat(locale(), { minimumFractionDigits: digits, maximumFractionDigits: digits })
    formats.set(key, format)
  }
  return format.format(value)
}

/** A whole number with thousands apart; unknown is a dash. */
export function round(value: number | null | undefined, step = 1): string {
  if (value === null || value === undefined || Number.isNaN(value)) return '–'
  const rounded = Math.sign(value) * Math.floor(Math.abs(value) / step + 0.5) * step // half a step is said as one
  return fixed(Object.is(rounded, -0) ? 0 : rounded, 0).replace('-', '−')
}

/** A whole number with its sign. */
export function signed(value: number | null | undefined, step = 1): string {
  if (value === null || value === undefined) return '–'
  return value > 0 && Math.round(value / step) !== 0 ? `+${round(value, step)}` : round(value, step)
}

/** A margin: to the ten, a small one to the foot, and never more than there is; the core's own rule. */
export function toSpare(marginFt: number): string {
  const step = marginFt >= 100 ? 10 : 1
  return `${round(Math.floor(marginFt / step) * step)} ft`
}

/** What a runway is too short by: to the next ten, never less than it is. */
export const lacking = (marginFt: number): string => `${round(Math.ceil(-marginFt / 10) * 10)} ft`

/** How far beyond its aim a glide reaches, or how far it ends before it; what follows is *the aim*. */
export const glideMargin = (marginFt: number): string =>
  marginFt < 0
    ? say('words.short-of', { margin_ft: lacking(marginFt) })
    : say('words.to-spare-at', { margin_ft: toSpare(marginFt) })

const STRIPE_AND_GAP_FT = 200 // FAA AC 150/5340-1, value from memory

/** A distance in runway paint, to a quarter: `1½ stripes`. */
export function stripesWords(feet: number): string {
  const quarters = Math.round((Math.abs(feet) / STRIPE_AND_GAP_FT) * 4)
  if (quarters === 0) return say('words.less-than-a-quarter-stripe')
  const whole = Math.floor(quarters / 4)
  const amount = quarters === 4 ? say('words.one') : `${whole || ''}${['', '¼', '½', '¾'][quarters % 4]}`
  return `${amount} ${quarters <= 4 ? say('words.stripe') : say('words.stripes')}`
}

/** A share as whole percent. */
export function percent(share: number): string {
  return `${Math.round(share * 100)} %`
}

/** A magnetic direction as it is spoken: three figures, north is 360. */
export function direction(deg: number | null): string {
  if (deg === null) return say('common.variable')
  const spoken = Math.round(deg) % 360 || 360
  return String(spoken).padStart(3, '0')
}

/** A direction in whole degrees, north 360; null stays unknown. */
export const wholeDirection = (deg: number | null) => (deg === null ? null : Math.round(deg) % 360 || 360)

/** Wind in words: `070° 9 gust 14 kt`. */
export function windWords(wind: {
  wind_dir_deg_mag: number | null
  /** null: nobody has given it, which is no calm */
  wind_kt: number | null
  gust_kt: number | null
  /** when it was given; null: never */
  weather_at?: string | null
}): string {
  if (wind.wind_kt === null || wind.weather_at === null) return say('common.wind-not-given')
  if (wind.wind_kt === 0 && !wind.gust_kt) return say('common.calm')
  const gust = wind.gust_kt === null ? '' : ' ' + say('words.gust', { gust_kt: round(wind.gust_kt) })
  const from = wind.wind_dir_deg_mag === null ? say('common.variable') : `${direction(wind.wind_dir_deg_mag)}°`
  return `${from} ${round(wind.wind_kt)}${gust} kt`
}

/** Today's date where this device is, as the API writes dates. */
export function today(): string {
  const here = new Date(now())
  const two = (part: number) => String(part).padStart(2, '0')
  return `${here.getFullYear()}-${two(here.getMonth() + 1)}-${two(here.getDate())}`
}

/** A day some days from another, as the API writes dates. */
export function daysFrom(date: string, days: number): string {
  return new Date(Date.parse(`${date}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10)
}

/** How long ago something was, in words: `3 days ago`. */
export function ago(moment: string, at = now()): string {
  const minutes = Math.max(0, (at - Date.parse(moment)) / 60_000)
  if (minutes < 90) return say('words.minutes-ago', { minutes: Math.round(minutes) })
  if (minutes < 36 * 60) return say('words.hours-ago', { hours: Math.round(minutes / 60) })
  return say('words.days-ago', { days: Math.round(minutes / 1_440) })
}

/** A date as it is said: `Tue 24 Nov`. */
export function day(date: string): string {
  return new Intl.DateTimeFormat(locale(), {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    timeZone: 'UTC',
  }).format(new Date(`${date}T00:00:00Z`))
}

/** An hour as it is said in the trade: `14:03 UTC`. */
export function clock(moment: string, unit = ' UTC'): string {
  return `${new Date(moment).toISOString().slice(11, 16)}${unit}`
}

/** Where to go around by; before the threshold there is no such place, and no landing. */
export const goAroundWords = (feet: number | null) =>
  feet !== null && feet < 0 ? say('common.no-place') : round(feet, 10)

/** What the go-around point is measured by. */
export const SURFACE_STATE = labels<Sortie['surface_state']>({
  dry: 'words.dry',
  wet: 'words.wet',
  long_grass: 'words.long-grass',
  soft: 'words.soft',
  snow_or_ice: 'words.snow-or-ice',
})
export const GO_AROUND_BY = labels<Brief['ground']['go_around_by']>({
  roll: 'words.behind-it-the-factored-roll',
  climb: 'words.behind-it-a-climb-does',
  half: 'words.half-of-the-runway',
  third: 'words.a-third-of-the-runway',
  box: 'words.the-end-of-the-box',
  instructor: 'words.set-by-the-instructor',
})
