/** What can be seen of a lap, by where in the lap it is seen; each mark is one tap. */
import { labels, say } from '@/said'
import type { Drift, LapIn } from '@/api/types'

export type Mark = NonNullable<LapIn['marks']>[number]
export type LapState = 'takeoff' | 'pattern' | 'final' | 'touched' | 'roll' | 'around'

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
  {
    value: 'roll',
    get label() {
      return say('calls.roll')
    },
  },
  {
    value: 'around',
    get label() {
      return say('calls.around')
    },
  },
]
/** The first face: what is called most; all else is one tap away, or there because this student needs it. */
export const FIRST: Record<LapState, readonly Mark[]> = {
  takeoff: ['rotated_early', 'rotated_late', 'takeoff_off_centreline'],
  pattern: ['tpa_not_held', 'wide', 'tight', 'over_banked'],
  final: ['overshot_final', 'flat', 'steep', 'gate_not_met', 'going_long', 'going_short'],
  touched: [
    'rounded_out_high',
    'dropped_in',
    'nose_first',
    'crab_left_in',
    'off_centreline',
    'sank_through',
    'touched_runway',
    'height_not_kept',
    'prompted',
  ],
  roll: ['swung', 'stick_not_back', 'flap_on_roll', 'brake_on_roll'],
  around: ['around_power', 'around_pitch', 'around_flap', 'around_not_aside', 'around_call_missed'],
}
const MORE: Record<LapState, readonly Mark[]> = {
  takeoff: ['nosewheel_held_down', 'settled_back'],
  pattern: [
    'fast_downwind',
    'slow_downwind',
    'fast_base',
    'slow_base',
    'descent_late',
    'corner_cut',
    'not_trimmed',
    'over_controlled',
    'check_missed',
    'gear_late',
    'call_missed',
    'lookout_missed',
  ],
  final: ['fast_final', 'slow_final', 'chased_with_power'],
  touched: [
    'power_left_on',
    'rounded_out_low',
    'rounded_out_late',
    'eyes_too_near',
    'stirred',
    'stall_warning_high',
    'let_go',
    'pushed',
    'porpoised',
    'nosewheel_not_held',
    'mains_first',
    'tail_first',
    'kicked_too_hard',
  ],
  roll: [],
  around: [],
}
export const MARKS = Object.fromEntries(
  STATES.map(({ value }) => [value, [...FIRST[value], ...MORE[value]]]),
) as unknown as Record<LapState, readonly Mark[]>
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
  nosewheel_held_down: 'calls.nosewheel-held-down',
  settled_back: 'calls.settled-back',
  fast_downwind: 'calls.fast-downwind',
  slow_downwind: 'calls.slow-downwind',
  fast_base: 'calls.fast-base',
  slow_base: 'calls.slow-base',
  descent_late: 'calls.descent-late',
  corner_cut: 'calls.corner-cut',
  not_trimmed: 'calls.not-trimmed',
  over_controlled: 'calls.over-controlled',
  check_missed: 'calls.check-missed',
  gear_late: 'calls.gear-late',
  call_missed: 'calls.call-missed',
  lookout_missed: 'calls.lookout-missed',
  fast_final: 'calls.fast-final',
  slow_final: 'calls.slow-final',
  chased_with_power: 'calls.chased-with-power',
  power_left_on: 'calls.power-left-on',
  rounded_out_high: 'calls.rounded-out-high',
  rounded_out_low: 'calls.rounded-out-low',
  rounded_out_late: 'calls.rounded-out-late',
  eyes_too_near: 'calls.eyes-too-near',
  stirred: 'calls.stirred',
  stall_warning_high: 'calls.stall-warning-high',
  let_go: 'calls.let-go',
  pushed: 'calls.pushed',
  porpoised: 'calls.porpoised',
  nosewheel_not_held: 'calls.nosewheel-not-held',
  mains_first: 'calls.mains-first',
  tail_first: 'calls.tail-first',
  kicked_too_hard: 'calls.kicked-too-hard',
  swung: 'calls.swung',
  stick_not_back: 'calls.stick-not-back',
  flap_on_roll: 'calls.flap-on-roll',
  brake_on_roll: 'calls.brake-on-roll',
  around_power: 'calls.around-power',
  around_pitch: 'calls.around-pitch',
  around_flap: 'calls.around-flap',
  around_not_aside: 'calls.around-not-aside',
  around_call_missed: 'calls.around-call-missed',
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
type WentAround = NonNullable<NonNullable<LapIn['noted']>['went_around']>
export const AROUND_WHY = labels<NonNullable<WentAround['why']>>({
  not_stable: 'calls.why-not-stable',
  window_gone: 'calls.why-window-gone',
  occupied: 'calls.why-occupied',
  traffic: 'calls.why-traffic',
  gust: 'calls.why-gust',
  bounce: 'calls.why-bounce',
  other: 'calls.why-other',
})
export const AROUND_WHO = labels<NonNullable<WentAround['called_by']>>({
  student: 'common.student',
  instructor: 'laps.instructor',
  tower: 'calls.tower',
})
export const AROUND_WHEN = labels<NonNullable<WentAround['when']>>({
  early: 'calls.early',
  in_time: 'calls.in-time',
  late: 'calls.late',
})
/** Phrases to tap instead of typing, until there are some of one's own. */
export const PHRASES = [
  say('words.late-on-the-flare'),
  say('words.good-speed-control'),
  say('words.chased-the-speed'),
  say('words.looked-too-close'),
  say('words.good-crosswind-hold'),
] as const
