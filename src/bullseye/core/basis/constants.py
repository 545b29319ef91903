"""Numbers of the trade: each named once, with its unit and its source.

[pub] published, [com] common practice, [own] our own model or default; docs/model.md says more of each.
"""

# Units, exact [pub: ICAO Annex 5]
FT_PER_M = 1 / 0.3048
FT_PER_NM = 1852 / 0.3048
FPS_PER_KT = FT_PER_NM / 3600

# Standard atmosphere [pub: ICAO Doc 7488; U.S. Standard Atmosphere 1976]
ISA_SEA_LEVEL_K = 288.15
ISA_SEA_LEVEL_HPA = 1013.25
ISA_LAPSE_K_PER_M = 0.0065
GRAVITY_MPS2 = 9.80665
GAS_CONSTANT_AIR = 287.05287  # J/(kg K)
GRAVITY_FPS2 = GRAVITY_MPS2 * FT_PER_M
CELSIUS_ZERO_K = 273.15

# Speeds
APPROACH_OVER_STALL = 1.3  # of calibrated airspeed [pub: 14 CFR 23.73 before 2017]
GUST_SHARE = 0.5  # of gust less steady wind [pub: FAA-H-8083-3, approach chapters]
TOUCHDOWN_OVER_STALL = 1.05  # [own] wheels meet the runway just above the stall
THREE_POINT_OVER_STALL = 1.02  # [own] all three wheels at once, near the stall
WHEEL_LANDING_FASTER_KT = 10.0  # [com] than a three-point landing
WHEEL_LANDING_SLOWS_KT = 3.0  # [own] at least, from the approach to the touchdown
CROSSWIND_OVER_STALL = 0.2  # of Vs0, where the handbook is silent [pub: former 14 CFR 23.233]

# Roundout and hold-off
ROUNDOUT_LOAD_FACTOR = 1.08  # [own] until laps have been flown; see docs/model.md, "Roundout"
HOLD_OFF_HEIGHT_FT = 2.0  # [own] height of the wheels when the descent has become level
DECELERATION_FPS2 = 3.2  # [own] idle, level, full flap, in ground effect
DECELERATION_SD_FPS2 = 0.6  # [own] how far light aircraft differ from it
IDLE_FIRST_LEAD_S = 2.0  # [own] power closed this long before the roundout in "idle, shift, flare"
GRADUAL_LEAD_S = 3.0  # [own] power drawn off over 6 s counts as closed for half of them

SOFT_POWER_DECELERATION = 0.75  # [own] of idle deceleration, with 100 to 200 rpm held through a soft-field touchdown
STEEP_LOAD_FACTOR = 1.15  # [own] from a steep glide, so that the roundout starts at 10 to 20 ft, not at 35
SPAN_EFFICIENCY = 0.8  # [own] Oswald's, of a light single
HIGH_WING_IN_GROUND_EFFECT = 0.97  # [own] of the drag in the open, where the span is not known
LOW_WING_IN_GROUND_EFFECT = 0.90  # [own] likewise, the wing being nearer the ground
HIGH_WING_OVER_WHEELS_FT = 7.0  # [own] where the aircraft's record tells no more than which wing it has
LOW_WING_OVER_WHEELS_FT = 3.0  # [own] likewise
SEA_LEVEL_DENSITY_SLUG_FT3 = 0.0023769  # [pub: U.S. Standard Atmosphere 1976]
CLEAN_GLIDE_DEG = 5.5  # [own] below the horizontal, idle, flap up, where the aircraft's record gives none
FULL_FLAP_GLIDE_DEG = 6.5  # [own] likewise with full flap; stages between lie between
SLIP_PATH_DEG = 2.5  # [own] how much a forward slip steepens a glide

# Aiming by rule of thumb, before the spot [com]; the wind in it [own]
AIM_FIXED_FT = 200.0
AIM_CALM_FT = 500.0
AIM_WINDY_FT = 300.0
AIM_FULL_HEADWIND_KT = 15.0

AIM_STEP_FT = 150.0  # [own] one lap moves the aim point by no more than this

# Sideslip against a crosswind [own], see docs/model.md, "Crosswind"
SIDE_FORCE_PER_RAD = 0.5  # of wing area and dynamic pressure, light single
APPROACH_LIFT_COEFFICIENT = 1.2  # at 1.3 of the stall with flap

# A pilot of whom nothing is known yet [own]
SCATTER_FT = 72.0  # of the touchdown from lap to lap, the middle of all pilots
BIAS_SD_FT = 150.0
SCATTER_SPREAD = 1.0  # [own] of the logarithm of a pilot's touchdown scatter, from pilot to pilot
SPEED_SCATTER_SPREAD = 0.86  # [own] likewise of the speed scatter
PRIOR_SCATTER_FT = 50.0  # [own] of both scatters before laps tell, their middle ...
PRIOR_SPEED_SCATTER_KT = 1.0  # [own] ...
PRIOR_SPREAD = 1.8  # [own] of both before laps tell: wide, so that a steady and a wild pilot are soon known as such
SCHOOL_SCATTER_FT = 150.0  # [own] the middle of one school's pilots, before their laps tell
SCHOOL_SPEED_SCATTER_KT = 3.0  # [own] likewise of the speed
SCHOOL_SPREAD = 0.5  # [own] of the logarithms of both, from pilot to pilot of one school
HABIT_SD_KT = 4.0  # [own] of the mean speed over the threshold less the briefed one, from pilot to pilot
READ_TO_KT = 0.5  # [own] a speed is read to a whole knot: half a knot over a limit is not told apart from it
READ_SD_KT = 1.25  # [own] of a speed over the threshold that the right seat reads, to a knot and within a moment
TIMED_SD_FPS2 = 0.6  # [own] of the deceleration that a hold-off timed by hand shows, to half a second and two knots
SPEED_SCATTER_KT = 1.72  # [own] of one pilot's speed over the threshold, from lap to lap, the middle of all pilots

# Runway paint [pub: FAA AC 150/5340-1]
STRIPE_FT = 120.0
STRIPE_GAP_FT = 80.0

# Distances
HEADWIND_CREDIT_PER_KT = 0.10 / 9  # [com] -10 % per 9 kt
TAILWIND_PENALTY_PER_KT = 0.10 / 2  # [com] +10 % per 2 kt
TAILWIND_LIMIT_KT = 10.0  # [com] the rule above is not printed beyond it
LANDING_GRASS = 0.45  # [com] of the ground roll, dry short grass
SLOPE_PER_PCT = 0.05  # [com] per 1 % of slope; the leaflet's +10 % per 2 % is the same [from memory]
LANDING_FACTOR = 1.43  # [pub: UK CAA Safety Sense leaflet on performance, value from memory]
TAKEOFF_GRASS = 0.15  # [com] of the ground roll, dry short grass
CAA_TAKEOFF_WET_GRASS = 0.30  # [pub: the same leaflet, value from memory] of the distance, firm soil
CAA_LANDING_GRASS = 0.15  # [pub: likewise] of the landing distance, dry grass on firm soil
CAA_LANDING_WET_GRASS = 0.35  # [pub: likewise] of the landing distance, wet grass on firm soil
LANDING_SLIPPERY_GRASS = 0.60  # [pub: likewise, the most it names for short wet grass] of the ground roll, unfactored
CAA_LANDING_WET_PAVED = 0.15  # [pub: likewise]
CAA_TAKEOFF_GRASS = 0.20  # [pub: UK CAA Safety Sense leaflet on performance, value from memory]
CAA_TAILWIND = 2.0  # +20 % for a tailwind of a tenth of the lift-off speed [pub: likewise]
CAA_TAKEOFF_FACTOR = 1.33  # [pub: likewise]
ABORT_SPEED_SHARE = 0.7  # of lift-off speed [com] ...
ABORT_RUNWAY_SHARE = 0.5  # ... by this share of the runway, else stop [com]
ENGINE_OUT_SECTOR_DEG = 30.0  # either side of the nose [com]
FIRST_TURN_AGL_FT = 500.0  # [com] above the ground, in the school that turns early
FIRST_TURN_BELOW_TPA_FT = 300.0  # [pub: AIM, AC 90-66]
PATTERN_HEIGHT_FT = 1_000.0  # above the field, unless published [pub: AC 90-66]
LEAST_WHEELS_FT = 3.0  # [own] over the start of the pavement; less is never flown
LOW_WHEELS_FT = 10.0  # [own] likewise; less is a caution
MOST_SHORT_CHANCE = 0.01  # [own] of touching before the landing threshold
MOST_FAR_CHANCE = 0.05  # [own] of touching behind the last place from which roll or climb fit
TOUCH_AND_GO_ROLL_S = 5.0  # [own] of rolling at touchdown speed before the takeoff of a touch-and-go
CLIMB_LOST_FPM_PER_FT = 50 / 1_000  # [com] of density altitude, where the handbook prints one figure
LEAST_CLIMB_FPM = 200.0  # [own] of a go-around; less is a caution, nothing left is not good
LEAST_CEILING_FT = 1_500.0  # [own] 500 ft over a pattern of 1,000 ft; a setting of the school
LEAST_VISIBILITY_M = 5_000.0  # [own] a setting of the school
TAILWIND_CAUTION_KT = 5.0  # [com]
GUST_SPREAD_LIMIT_KT = 15.0  # [own]
SOLO_WIND_LIMIT_KT = 25.0  # [own] of all the wind, for a student alone
MOST_GUST_ALLOWANCE_KT = 10.0  # [com]
BELOW_FLAP_LIMIT_KT = 5.0  # [com] which a gust allowance keeps to
LEAST_STALL_MARGIN = 1.1  # [own] of the stalling speed at weight, bank and flap; below it nothing is briefed
LOW_STALL_MARGIN = 1.2  # [own] a caution, level
LOW_STALL_MARGIN_TURNING = 1.15  # [own] a caution, in a turn
LEAST_APPROACH_GROUND_KT = 30.0  # [own] slower over the ground than this, our model knows no landing
CLIMB_AWAY_S = 5.0  # [own] from the decision to go around to a steady climb
LEAST_CLIMB_MARGIN = 1.2  # of Vs1 at 50 ft [pub: 14 CFR 23.51 before 1996, value from memory]
DENSITY_ALTITUDE_ABOVE_FIELD_FT = 3_000.0  # [com] worth a caution
DENSITY_ALTITUDE_HIGH_FT = 5_000.0  # [com] likewise, wherever the field lies
LEAST_MARGIN_SHARE = 1 / 3  # [own] of the distance needed, below which the takeoff warns
LEAST_MARGIN_FT = 100.0  # [own] of runway left, below which we do not speak of a margin
OBSTACLE_MARGIN_FT = 30.0  # [own] between path and obstacle

MODEL_VERSION = '9'  # goes up when the same inputs give another answer
