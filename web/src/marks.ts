/** What can be seen of a lap, by where in the lap it is seen; each mark is one tap. */
import { labels, say } from '@/said'
import type { Drift, LapIn } from '@/api/types'

export type Mark = NonNullable<LapIn['marks']>[number]
export type LapState = 'takeoff' | 'pattern' | 'final' | 'touched'

export const STATES: readonly { value: LapState; label: string }[] = [
  {
    value: 'takeoff',
    get label() {
      return say('common.takeoff')
    },
  },
  {
    value: 'pattern',
    get label() {
      return say('common.pattern')
    },
  },
  {
    value: 'final',
    get label() {
      return say('common.final')
    },
  },
  {
    value: 'touched',
    get label() {
      return say('common.touched')
    },
  },
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
export const MARK_LABEL = labels<Mark>({
  rotated_early: 'words.rotated-early',
  rotated_late: 'words.rotated-late',
  takeoff_off_centreline: 'common.off-the-centreline',
  tpa_not_held: 'words.altitude-not-held',
  wide: 'words.wide',
  tight: 'words.tight',
  over_banked: 'words.too-much-bank',
  overshot_final: 'words.overshot-final',
  flat: 'words.flat',
  steep: 'words.steep',
  gate_not_met: 'common.not-stable-at-the-gate',
  going_long: 'common.going-long',
  going_short: 'common.going-short',
  dropped_in: 'words.dropped-in',
  nose_first: 'words.nose-first',
  crab_left_in: 'words.crab-left-in',
  off_centreline: 'common.off-the-centreline',
  sank_through: 'words.sank-through-drill',
  touched_runway: 'words.touched-low-approach',
  height_not_kept: 'words.height-not-kept-low-approach',
  prompted: 'words.prompted-by-instructor',
})
export const EXCLUDED_LABEL = labels<NonNullable<LapIn['excluded']>>({
  gust: 'common.gust',
  traffic: 'common.traffic',
  instructor_flew: 'words.instructor-flew',
  other: 'common.other',
})
export const DRIFTS: readonly { value: Drift; label: string }[] = [
  {
    value: 'left',
    get label() {
      return say('words.drift-left')
    },
  },
  {
    value: 'right',
    get label() {
      return say('words.drift-right')
    },
  },
]
/** Phrases to tap instead of typing, until there are some of one's own. */
export const PHRASES = [
  say('words.late-on-the-flare'),
  say('words.good-speed-control'),
  say('words.chased-the-speed'),
  say('words.looked-too-close'),
  say('words.good-crosswind-hold'),
] as const
