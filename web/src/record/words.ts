/** Where a student stands, in words and signs; colour never speaks alone. */
import { labels } from '@/said'
import type { ExerciseState } from '@/api/types'

export const STATE_LABEL = labels<ExerciseState>({
  not_begun: 'record.not-begun',
  introduced: 'record.is-introduced',
  practised: 'record.is-practised',
  likely: 'record.likely-at-standard',
  at_standard: 'record.at-standard',
  signed: 'common.signed',
  stale: 'record.stale',
})
export const STATE_SIGN: Record<ExerciseState, string> = {
  not_begun: '·',
  introduced: '◔',
  practised: '◑',
  likely: '◕',
  at_standard: '●',
  signed: '✓',
  stale: '↺',
}
export const STATE_TONE: Record<ExerciseState, string> = {
  not_begun: 'text-soft',
  introduced: '',
  practised: '',
  likely: '',
  at_standard: 'text-pass-ink font-bold',
  signed: 'text-pass-ink font-bold',
  stale: 'text-spot-ink font-bold',
}
export const GROUP_LABEL = labels({
  altitude: 'record.at-altitude',
  takeoff: 'record.takeoffs',
  pattern: 'common.pattern',
  landing: 'common.landings',
  go_around: 'common.go-around',
  drill: 'record.drills',
  traffic: 'common.traffic',
  field: 'common.fields',
  night: 'common.night',
  aircraft: 'record.aircraft-types',
  solo: 'record.solo-and-test',
})
export const READY_LABEL = labels<string>({
  at_standard: 'record.at-standard',
  likely: 'record.likely',
  not_yet: 'record.not-yet',
  unknown: 'record.too-few',
})
export const MARK_WORDS = labels<string>({
  bounced: 'record.bounce',
  ballooned: 'record.balloon',
  drifted: 'record.touched-sideways',
  gate_not_met: 'common.not-stable-at-the-gate',
  going_long: 'common.going-long',
  going_short: 'common.going-short',
})
