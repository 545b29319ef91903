/** Words for the rest of the lap. */
import { labels } from '@/said'
import type { Lap } from '@/api/types'
import { round, signed } from '@/words'

type Point = Lap['around']['judged'][number]
export const TASK_LABEL = labels<Point['task']>({
  takeoff: 'common.takeoff',
  pattern: 'common.pattern',
  final: 'common.final',
  rollout: 'common.rollout',
  decision: 'common.decision',
})
export const VERDICT_SIGN = labels<Point['verdict']>({
  pass: 'parts.pass',
  near: 'parts.near',
  fail: 'parts.fail',
  unknown: 'parts.unknown',
})
export const VERDICT_TONE: Record<Point['verdict'], string> = {
  pass: 'text-pass-ink',
  near: 'text-ink',
  fail: 'text-fail-ink',
  unknown: 'text-soft',
}
const PLAIN = new Set(['bank', 'overshoot', 'steady'])
/** A value with what it may be off by; a percentage and a degree stand close to their sign. */
export function pointValue(one: Point): string {
  if (one.value === null) return '–'
  const space = one.unit === '°' || one.unit === '%' ? '' : ' '
  const value = PLAIN.has(one.name) ? round(one.value) : signed(one.value)
  return `${value}${space}${one.unit}${one.half_width === null ? '' : ` ±${round(one.half_width)}`}`
}
