/**
 * The wind as it is read now, on a runway: along, across, and held against the limits that the server handed along as
 * rows. The twin of the core's windlimits and wind modules, tested against them.
 */

import { fixed } from '@/words'

/** A wind by the compass; no direction: it blows from anywhere. */
export interface WindRead {
  from_deg_mag: number | null
  kt: number
  gust_kt: number | null
}

export type WindQuantity = 'crosswind' | 'tailwind' | 'gust_spread' | 'wind' | 'headwind'

/** One limit as a row, as the core has it. */
export interface WindLimit {
  quantity: WindQuantity
  name: string
  limit_kt: number
  compared: 'above' | 'from'
  severity: 'stop' | 'mind' | 'know'
  alone_only: boolean
  landing_only: boolean
  needs_direction: boolean
  words: string
}

export interface WindOn {
  /** steady and in the gusts; null from no known direction. Across is positive from the right. */
  head_kt: number | null
  cross_kt: number | null
  gust_head_kt: number | null
  gust_cross_kt: number | null
  /** what distances may count on; negative is the worst tailwind */
  sure_head_kt: number
  spread_kt: number
  any_way_kt: number
  values: Record<WindQuantity, number>
}

/** Bring a wind onto a runway. */
export function windOn(wind: WindRead, courseDegMag: number): WindOn {
  const gust = Math.max(wind.kt, wind.gust_kt ?? wind.kt)
  const spread = gust - wind.kt
  const common = { gust_spread: spread, wind: gust }
  if (wind.from_deg_mag === null) {
    const known = gust === 0 ? 0 : null // a calm comes from nowhere
    return {
      head_kt: known,
      cross_kt: known,
      gust_head_kt: known,
      gust_cross_kt: known,
      sure_head_kt: -gust,
      spread_kt: spread,
      any_way_kt: gust,
      values: { ...common, crosswind: gust, tailwind: gust, headwind: gust },
    }
  }
  const off = ((wind.from_deg_mag - courseDegMag) * Math.PI) / 180
  const [along, across] = [Math.cos(off), Math.sin(off)]
  const head = wind.kt * along
  const gustHead = gust * along
  const sure = Math.min(head, gustHead)
  return {
    head_kt: head,
    cross_kt: wind.kt * across,
    gust_head_kt: gustHead,
    gust_cross_kt: gust * across,
    sure_head_kt: sure,
    spread_kt: spread,
    any_way_kt: 0,
    values: {
      ...common,
      crosswind: gust * Math.abs(across),
      tailwind: Math.max(0, -sure),
      headwind: Math.max(0, head, gustHead),
    },
  }
}

/** The limits that a wind is over, in their order: of one quantity and name the first alone speaks. */
export function exceeded(limits: readonly WindLimit[], wind: WindOn): WindLimit[] {
  const found: WindLimit[] = []
  for (const one of limits) {
    if (found.some((other) => other.quantity === one.quantity && other.name === one.name)) continue
    const value = wind.values[one.quantity]
    const over = one.compared === 'above' ? value > one.limit_kt : value >= one.limit_kt
    if (over && (wind.head_kt !== null || !one.needs_direction)) found.push(one)
  }
  return found
}

/** A value and a limit that differ, said finely enough to differ in words too. */
function toldApart(value: number, limit: number): [string, string] {
  for (let digits = 0; ; digits += 1) {
    const said = [value, limit].map((one) => `${fixed(one, digits)} kt`) as [string, string]
    if (said[0] !== said[1] || value === limit || digits === 2) return said
  }
}

/** What is said of a wind that is over a limit. */
export function limitWords(limit: WindLimit, wind: WindOn): string {
  const met = wind.values[limit.quantity]
  const [value, most] = limit.words.includes('{limit}') ? toldApart(met, limit.limit_kt) : [`${Math.round(met)} kt`, '']
  return limit.words.replace('{value}', value).replace('{limit}', most)
}
