"""Ground roll and way to 50 ft by each set of corrections, and what they leave of the runway."""

from __future__ import annotations

import math
from dataclasses import dataclass, field
from typing import get_args

from bullseye.core.basis.constants import (
    ABORT_RUNWAY_SHARE,
    CAA_TAILWIND,
    CAA_TAKEOFF_FACTOR,
    CAA_TAKEOFF_GRASS,
    CAA_TAKEOFF_WET_GRASS,
    FPS_PER_KT,
    HEADWIND_CREDIT_PER_KT,
    SLOPE_PER_PCT,
    TAILWIND_PENALTY_PER_KT,
    TAKEOFF_GRASS,
)
from bullseye.core.basis.errors import OutsideTable
from bullseye.core.basis.kinds import CorrectionSet, SurfaceState, TakeoffKind
from bullseye.core.basis.sentence import (
    Phrasebook,
    Sentence,
    feet,
    knots,
)
from bullseye.core.basis.unknown import known_or
from bullseye.core.given.aircraft import Aircraft
from bullseye.core.given.airfield import RunwayEnd
from bullseye.core.given.technique import Technique
from bullseye.core.model.distances import (
    CorrectedDistance,
    DistanceStep,
    require_known_surface,
    require_usual_tailwind,
    say_distance,
    slope_factor,
    slope_reason,
    wind_reason,
)

_BOOK = Phrasebook('takeoff')


@dataclass(frozen=True, slots=True, kw_only=True)
class Corrected:
    """Ground roll and distance over 50 ft [ft] by one set of corrections, with the steps of each."""

    correction_set: CorrectionSet
    ground_roll_ft: float
    over_50_ft_ft: float
    ground_roll_steps: tuple[DistanceStep, ...]
    over_50_ft_steps: tuple[DistanceStep, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class LiftOffSchool:
    """Lift-off by one school: its speed [KIAS], and the ground roll that speed takes [ft]."""

    school: str
    speed_kias: float
    ground_roll_ft: float
    words: Sentence


def _require_printed(runway: RunwayEnd, headwind_kt: float, surface_state: SurfaceState) -> None:
    require_known_surface(runway, surface_state, what='takeoff roll')
    require_usual_tailwind(headwind_kt)


def corrected(
    *,
    roll_ft: float,
    over_50_ft: float,
    correction_set: CorrectionSet,
    runway: RunwayEnd,
    headwind_kt: float,
    lift_off_ktas: float,
    surface_state: SurfaceState = 'dry',
) -> Corrected:
    """Correct both distances for wind, surface and slope by one set.

    Common practice credits a headwind and does not factor [com]; the other adds a tailwind by its share of the
    lift-off speed, credits neither headwind nor downslope, and ends with a factor
    [pub: UK CAA Safety Sense leaflet on performance, values from memory]. Grass lengthens the ground roll only.

    Wet grass counts by the leaflet in both sets. A slope counts by the longer of the set's rule and of mechanics, by
    which it takes the same acceleration from every roll.

    :raises OutsideTable: in more tailwind, or on a surface or slope, than the rules are printed for
    """
    _require_printed(runway, headwind_kt, surface_state)
    common, leaflet = correction_set == 'common', 'UK CAA leaflet, from memory'
    source = 'common practice' if common else leaflet
    roll = CorrectedDistance(roll_ft, say_distance('table_roll'))
    over = CorrectedDistance(over_50_ft, say_distance('table_over_50'))
    if runway.surface == 'grass':
        dry = TAKEOFF_GRASS if common else CAA_TAKEOFF_GRASS
        is_wet = surface_state == 'wet'
        longer, by_whom = (CAA_TAKEOFF_WET_GRASS, leaflet) if is_wet else (dry, source)
        grass = 'wet_grass' if is_wet else 'dry_grass'
        roll.by(1 + longer, say_distance(grass), by_whom)
        over.by(1 + longer * roll_ft / over_50_ft, say_distance(f'{grass}_roll'), by_whom)
    level_roll_ft: float | None = None
    for one in (roll, over):
        if headwind_kt > 0 and common:
            one.by(max(0.5, 1 - HEADWIND_CREDIT_PER_KT * headwind_kt), wind_reason(headwind_kt), source)
        elif headwind_kt < 0:
            share = -headwind_kt / lift_off_ktas
            factor = 1 - TAILWIND_PENALTY_PER_KT * headwind_kt if common else 1 + CAA_TAILWIND * share
            one.by(factor, wind_reason(headwind_kt), source)
        if runway.slope_pct > 0 or (runway.slope_pct < 0 and common):
            ground_fps = max(1.0, lift_off_ktas - headwind_kt) * FPS_PER_KT
            level_ft = one.distance_ft
            way_ft = known_or(level_roll_ft, level_ft)
            on_roll = slope_factor(roll_ft=way_ft, speed_fps=ground_fps, slope_pct=runway.slope_pct, is_takeoff=True)
            level_roll_ft = way_ft
            sloped_ft = level_ft + way_ft * (on_roll - 1)  # the climb after the roll is no longer
            rule = max(0.5, 1 + SLOPE_PER_PCT * runway.slope_pct)
            one.by(max(rule, sloped_ft / level_ft), slope_reason(runway.slope_pct), source)
        if not common:
            one.by(CAA_TAKEOFF_FACTOR, say_distance('factor'), source)
    return Corrected(
        correction_set=correction_set,
        ground_roll_ft=roll.distance_ft,
        over_50_ft_ft=over.distance_ft,
        ground_roll_steps=tuple(roll.steps),
        over_50_ft_steps=tuple(over.steps),
    )


def obstacle_clearance_ft(*, runway: RunwayEnd, ground_roll_ft: float, over_50_ft: float) -> float | None:
    """Height over the departure obstacle less its height [ft]; None without an obstacle.

    The climb goes on as steeply as from lift-off to 50 ft: that stretch holds the rotation too, so it errs low [own].
    It begins at the height of the runway where it lifts off; the obstacle stands on that of the far end.
    """
    obstacle = runway.departure_obstacle
    if obstacle is None:
        return None
    gradient = 50 / (over_50_ft - ground_roll_ft)
    to_go_ft = runway.length_ft + obstacle.beyond_end_ft - over_50_ft
    rise_ft = runway.slope_pct / 100 * (runway.length_ft - ground_roll_ft)
    return 50 + to_go_ft * gradient - rise_ft - obstacle.height_ft


@dataclass(frozen=True, slots=True, kw_only=True)
class AsSet:
    """Numbers of a takeoff that the instructor set; None is worked out. The height is above the field."""

    over_50_ft: float | None = None
    rotate_kias: float | None = None
    vx_kias: float | None = None
    vy_kias: float | None = None
    abort_point_ft: float | None = None
    first_turn_height_ft: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class TakeoffTask:
    """What a takeoff is worked out for; ``headwind_kt`` is None where nobody has given the wind."""

    kind: TakeoffKind
    aircraft: Aircraft
    runway: RunwayEnd
    weight_lb: float
    pressure_altitude_ft: float
    density_ratio: float
    temperature_c: float
    headwind_kt: float | None
    technique: Technique
    pattern_altitude_ft: float
    surface_state: SurfaceState = 'dry'
    as_set: AsSet = field(default_factory=AsSet)

    @property
    def weight_root(self) -> float:
        """By which speeds change with weight: √(W/Wmax)."""
        return math.sqrt(self.aircraft.weight_ratio(self.weight_lb))


def corrected_by_set(task: TakeoffTask) -> tuple[Corrected, ...]:
    """Both distances by each set of corrections.

    :raises OutsideTable: when the table, or a rule, does not hold them
    """
    table, rotate_kias = task.aircraft.takeoff_table, task.aircraft.rotate_kias
    if table is None or rotate_kias is None:
        raise OutsideTable(_BOOK.say('no_table'))
    if task.headwind_kt is None:
        raise OutsideTable(_BOOK.say('no_wind'))
    roll_ft, over_ft = table.distances_ft(
        pressure_altitude_ft=task.pressure_altitude_ft, temperature_c=task.temperature_c, weight_lb=task.weight_lb
    )
    return tuple(
        corrected(
            roll_ft=roll_ft,
            over_50_ft=over_ft,
            correction_set=name,
            runway=task.runway,
            headwind_kt=task.headwind_kt,
            surface_state=task.surface_state,
            lift_off_ktas=rotate_kias * task.weight_root / math.sqrt(task.density_ratio),
        )
        for name in get_args(CorrectionSet)
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class Run:
    """The roll and the climb of the technique that is flown; None where they cannot be worked out."""

    by_set: tuple[Corrected, ...]
    lift_off: tuple[LiftOffSchool, ...]
    lift_off_kias: float | None
    roll_ft: float | None
    over_50_ft: float | None
    clearance_ft: float | None


def run_of(task: TakeoffTask, by_set: tuple[Corrected, ...]) -> Run:
    """The run by the corrections that the technique goes by, and by what leaves the ground last."""
    chosen = next((one for one in by_set if one.correction_set == task.technique.correction_set), None)
    schools = _schools(task.aircraft, task.weight_root, chosen)
    flown = next((one for one in schools if one.school == task.technique.lift_off), None)
    if flown is None or chosen is None:
        return Run(
            by_set=by_set,
            lift_off=schools,
            lift_off_kias=task.as_set.rotate_kias,
            roll_ft=None,
            over_50_ft=task.as_set.over_50_ft,
            clearance_ft=None,
        )
    speed_kias = flown.speed_kias if task.as_set.rotate_kias is None else task.as_set.rotate_kias
    # the roll goes with the square of the speed, as between the schools
    roll_ft = flown.ground_roll_ft * (speed_kias / flown.speed_kias) ** 2
    over_ft = chosen.over_50_ft_ft + roll_ft - chosen.ground_roll_ft
    if task.as_set.over_50_ft is not None:
        over_ft = task.as_set.over_50_ft
    return Run(
        by_set=by_set,
        lift_off=schools,
        lift_off_kias=speed_kias,
        roll_ft=roll_ft,
        over_50_ft=over_ft,
        clearance_ft=None
        if over_ft <= roll_ft
        else obstacle_clearance_ft(runway=task.runway, ground_roll_ft=roll_ft, over_50_ft=over_ft),
    )


def abort_point_ft(task: TakeoffTask) -> float:
    """Where the takeoff is given up without the abort speed, from where the roll begins [ft] [com]."""
    set_ft = task.as_set.abort_point_ft
    return ABORT_RUNWAY_SHARE * task.runway.length_ft if set_ft is None else set_ft


def _schools(aircraft: Aircraft, root: float, chosen: Corrected | None) -> tuple[LiftOffSchool, ...]:
    """Both schools of lift-off. The roll goes with the square of the speed: constant acceleration [own]."""
    rotate_kias = aircraft.rotate_kias
    if rotate_kias is None or chosen is None:
        return ()
    fly_off = 'fly_off_tail' if aircraft.particulars.has_tailwheel else 'fly_off'
    fly_off_kias = rotate_kias * root
    longer_ft = chosen.ground_roll_ft * ((rotate_kias / fly_off_kias) ** 2 - 1)
    return (
        LiftOffSchool(
            school='rotate',
            speed_kias=rotate_kias,
            ground_roll_ft=chosen.ground_roll_ft + longer_ft,
            words=_BOOK.say('rotate', speed=knots(rotate_kias), longer=feet(longer_ft))
            if longer_ft >= 1
            else _BOOK.say('rotate_as_flown', speed=knots(rotate_kias)),
        ),
        LiftOffSchool(
            school='fly_off',
            speed_kias=fly_off_kias,
            ground_roll_ft=chosen.ground_roll_ft,
            words=_BOOK.say(fly_off, speed=knots(fly_off_kias)),
        ),
    )
