"""The closed lists of the trade that more than one module chooses from."""

from typing import Literal

LandingKind = Literal[
    'normal',
    'crosswind',
    'short_field',
    'soft_field',
    'power_off',
    'no_flap',
    'forward_slip',
    'three_point',
    'wheel_landing',
]
ExerciseKind = Literal[
    'normal',
    'crosswind',
    'short_field',
    'soft_field',
    'power_off',
    'no_flap',
    'forward_slip',
    'three_point',
    'wheel_landing',
    'go_around',
    'low_approach',
    'hold_off_drill',
]
StandardCode = Literal[
    'us_private',
    'us_commercial',
    'eu_ppl',
    'eu_cpl',
    'uk_ppl',
    'ca_ppl',
    'us_sport',
    'us_recreational',
    'us_instructor',
]
Wing = Literal['high', 'low']
Undercarriage = Literal['nosewheel', 'tailwheel']
Propeller = Literal['fixed', 'variable']
Surroundings = Literal['water', 'open', 'hedges', 'trees', 'buildings']
Surface = Literal['asphalt', 'concrete', 'grass', 'gravel', 'unknown']
SurfaceState = Literal['dry', 'wet', 'long_grass', 'soft', 'snow_or_ice']
WeatherGiven = Literal['current', 'old', 'never']
WindBy = Literal['read', 'turns', 'briefed']
WeatherHazard = Literal[
    'thunderstorm',
    'fog',
    'fog_near',
    'freezing',
    'heavy_precipitation',
    'snow_or_hail',
    'squall',
    'dust_or_ash',
    'windshear',
    'towering_cloud',
    'sky_hidden',
    'low_cloud',
    'low_visibility',
    'strong_wind',
]
Outcome = Literal['full_stop', 'touch_and_go', 'stop_and_go', 'go_around', 'low_approach', 'drill']
LapMark = Literal[
    'rotated_early',
    'rotated_late',
    'takeoff_off_centreline',
    'nosewheel_held_down',
    'settled_back',
    'tpa_not_held',
    'wide',
    'tight',
    'over_banked',
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
    'overshot_final',
    'flat',
    'steep',
    'fast_final',
    'slow_final',
    'chased_with_power',
    'gate_not_met',
    'going_long',
    'going_short',
    'power_left_on',
    'rounded_out_high',
    'rounded_out_low',
    'rounded_out_late',
    'eyes_too_near',
    'stirred',
    'stall_warning_high',
    'dropped_in',
    'let_go',
    'pushed',
    'porpoised',
    'nose_first',
    'nosewheel_not_held',
    'mains_first',
    'tail_first',
    'crab_left_in',
    'kicked_too_hard',
    'off_centreline',
    'swung',
    'stick_not_back',
    'flap_on_roll',
    'brake_on_roll',
    'around_power',
    'around_pitch',
    'around_flap',
    'around_not_aside',
    'around_call_missed',
    'sank_through',
    'touched_runway',
    'height_not_kept',
    'prompted',
]
# what a wrong roundout did: it asks for another roundout, not for another aim
ROUNDOUT_MARKS: frozenset[LapMark] = frozenset(
    {'dropped_in', 'rounded_out_high', 'stall_warning_high', 'power_left_on', 'let_go', 'porpoised'}
)
GoAroundCaller = Literal['student', 'instructor', 'tower']
GoAroundWhy = Literal['not_stable', 'window_gone', 'occupied', 'traffic', 'gust', 'bounce', 'other']
GoAroundWhen = Literal['early', 'in_time', 'late']
Going = Literal['long', 'short']
Excluded = Literal['gust', 'traffic', 'instructor_flew', 'other']
FlownBy = Literal['student', 'instructor']
SignedState = Literal['holds', 'none', 'expired', 'elsewhere']  # of a solo sign-off
DriftSide = Literal['left', 'none', 'right']
GustAllowance = Literal['half', 'none']
RoundoutOrder = Literal['halve_shift_idle_flare', 'idle_shift_flare', 'gradual_from_threshold']
PatternSide = Literal['left', 'right']
TakeoffKind = Literal['normal', 'crosswind', 'short_field', 'soft_field']
CorrectionSet = Literal['common', 'uk_caa']
LiftOff = Literal['rotate', 'fly_off']
FirstTurn = Literal['tpa_less_300', '500_agl']
PowerOffShape = Literal['squared', 'arc']
BaseSpeed = Literal['handbook', 'rule']
CrosswindFlap = Literal['full', 'reduced']
CrosswindMethod = Literal['wing_low', 'crab_then_straighten', 'crab_then_wing_low']
RolloutFlap = Literal['hands_off', 'flap_up']
BaseCue = Literal['spot_45_behind', 'timed']
PitchPower = Literal['pitch_for_speed', 'pitch_for_aim', 'fixed_power']
SpeedReference = Literal['airspeed', 'angle_of_attack']
StabilisedBy = Literal['500', '300', '200']
AimTarget = Literal['middle_of_box', 'on_the_line']
LatestTouchdown = Literal['half', 'third', 'box']
AimSpeed = Literal['briefed', 'habit']
AimDistance = Literal['calibrated', 'fixed', 'before_300_500']

NOT_LANDED: tuple[Outcome, ...] = ('go_around', 'low_approach', 'drill')  # ends of a lap without a touchdown
TAILWHEEL_ONLY: tuple[LandingKind, ...] = ('three_point', 'wheel_landing')
