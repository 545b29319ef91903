/** Where a student stands, in words and signs; colour never speaks alone. */
import type { ExerciseState } from '@/api/types'

export const STATE_LABEL: Record<ExerciseState, string> = {
  not_begun: 'not begun',
  introduced: 'introduced',
  practised: 'practised',
  likely: 'likely at standard',
  at_standard: 'at standard',
  signed: 'signed',
  stale: 'stale',
}
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
export const GROUP_LABEL = {
  altitude: 'At altitude',
  takeoff: 'Takeoffs',
  pattern: 'Pattern',
  landing: 'Landings',
  go_around: 'Go-around',
  drill: 'Drills',
  traffic: 'Traffic',
  field: 'Fields',
  night: 'Night',
  aircraft: 'Aircraft types',
  solo: 'Solo and test',
} as const
export const READY_LABEL: Record<string, string> = {
  at_standard: 'at standard',
  likely: 'likely',
  not_yet: 'not yet',
  unknown: 'too few',
}
export const MARK_WORDS: Record<string, string> = {
  bounced: 'Bounce',
  ballooned: 'Balloon',
  drifted: 'Touched sideways',
  gate_not_met: 'Not stable at the gate',
  going_long: 'Going long',
  going_short: 'Going short',
}
