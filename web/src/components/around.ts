/** Words for the rest of the lap. */
import type { Lap } from '@/api/types'
import { round, signed } from '@/words'

type Point = Lap['around']['judged'][number]
export const TASK_LABEL: Record<Point['task'], string> = {
  takeoff: 'Takeoff',
  pattern: 'Pattern',
  final: 'Final',
  rollout: 'Rollout',
  decision: 'Decision',
}
export const VERDICT_SIGN: Record<Point['verdict'], string> = {
  pass: '✓ pass',
  near: '~ near',
  fail: '✕ fail',
  unknown: '? unknown',
}
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
