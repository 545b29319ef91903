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
    'dropped_in',
    'nose_first',
    'crab_left_in',
    'off_centreline',
    'flat',
    'steep',
    'overshot_final',
    'prompted',
    'rotated_early',
    'rotated_late',
    'takeoff_off_centreline',
    'tpa_not_held',
    'wide',
    'tight',
    'over_banked',
    'going_long',
    'going_short',
    'gate_not_met',
    'sank_through',
    'touched_runway',
    'height_not_kept',
]
Going = Literal['long', 'short']
Excluded = Literal['gust', 'traffic', 'instructor_flew', 'other']
FlownBy = Literal['student', 'instructor']
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
LatestTouchdown = Literal['half', 'third']
AimSpeed = Literal['briefed', 'habit']
AimDistance = Literal['calibrated', 'fixed', 'before_300_500']

NOT_LANDED: tuple[Outcome, ...] = ('go_around', 'low_approach', 'drill')  # ends of a lap without a touchdown
TAILWHEEL_ONLY: tuple[LandingKind, ...] = ('three_point', 'wheel_landing')
