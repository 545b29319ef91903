/** What can be seen of a lap, by where in the lap it is seen; each mark is one tap. */
import type { Drift, LapIn } from '@/api/types'

export type Mark = NonNullable<LapIn['marks']>[number]
export type LapState = 'takeoff' | 'pattern' | 'final' | 'touched'

export const STATES: readonly { value: LapState; label: string }[] = [
  { value: 'takeoff', label: 'Takeoff' },
  { value: 'pattern', label: 'Pattern' },
  { value: 'final', label: 'Final' },
  { value: 'touched', label: 'Touched' },
]
export const MARKS: Record<LapState, readonly Mark[]> = {
  takeoff: ['rotated_early', 'rotated_late', 'takeoff_off_centreline'],
  pattern: ['tpa_not_held', 'wide', 'tight', 'over_banked'],
  final: ['overshot_final', 'flat', 'steep', 'gate_not_met', 'going_long', 'going_short'],
  touched: [
    'dropped_in',
    'nose_first',
    'crab_left_in',
    'off_centreline',
    'sank_through',
    'touched_runway',
    'height_not_kept',
    'prompted',
  ],
}
export const MARK_LABEL: Record<Mark, string> = {
  rotated_early: 'Rotated early',
  rotated_late: 'Rotated late',
  takeoff_off_centreline: 'Off the centreline',
  tpa_not_held: 'Altitude not held',
  wide: 'Wide',
  tight: 'Tight',
  over_banked: 'Too much bank',
  overshot_final: 'Overshot final',
  flat: 'Flat',
  steep: 'Steep',
  gate_not_met: 'Not stable at the gate',
  going_long: 'Going long',
  going_short: 'Going short',
  dropped_in: 'Dropped in',
  nose_first: 'Nose first',
  crab_left_in: 'Crab left in',
  off_centreline: 'Off the centreline',
  sank_through: 'Sank through (drill)',
  touched_runway: 'Touched (low approach)',
  height_not_kept: 'Height not kept (low approach)',
  prompted: 'Prompted by instructor',
}
export const EXCLUDED_LABEL: Record<NonNullable<LapIn['excluded']>, string> = {
  gust: 'Gust',
  traffic: 'Traffic',
  instructor_flew: 'Instructor flew',
  other: 'Other',
}
export const DRIFTS: readonly { value: Drift; label: string }[] = [
  { value: 'left', label: 'Drift left' },
  { value: 'right', label: 'Drift right' },
]
/** Phrases to tap instead of typing, until there are some of one's own. */
export const PHRASES = [
  'Late on the flare',
  'Good speed control',
  'Chased the speed',
  'Looked too close',
  'Good crosswind hold',
] as const
