"""The landing distances, from the handbook's table and the usual corrections."""

from __future__ import annotations

import math
from dataclasses import dataclass

from bullseye.core.basis.constants import (
    CAA_LANDING_WET_GRASS,
    CAA_LANDING_WET_PAVED,
    FPS_PER_KT,
    GRAVITY_FPS2,
    HEADWIND_CREDIT_PER_KT,
    LANDING_FACTOR,
    LANDING_GRASS,
    SLOPE_PER_PCT,
    TAILWIND_LIMIT_KT,
    TAILWIND_PENALTY_PER_KT,
)
from bullseye.core.basis.errors import OutsideTable
from bullseye.core.basis.kinds import SurfaceState
from bullseye.core.basis.sentence import Phrasebook, Quantity, Sentence, as_given, knots, per_cent, told_apart
from bullseye.core.given.aircraft import LandingTable
from bullseye.core.given.airfield import RunwayEnd


@dataclass(frozen=True, slots=True, kw_only=True)
class DistanceStep:
    """One correction: its factor, the distance after it, and why."""

    factor: float
    distance_ft: float
    reason: Sentence
    source: str


@dataclass(frozen=True, slots=True, kw_only=True)
class GroundRoll:
    """Landing ground roll [ft], the same with the safety factor, and the steps to it.

    ``over_50_ft_ft`` is the handbook's whole distance from 50 ft over the threshold to the stop, corrected alike and
    not factored; None where the handbook's is not entered.
    """

    expected_ft: float
    factored_ft: float
    over_50_ft_ft: float | None
    steps: tuple[DistanceStep, ...]


_BOOK = Phrasebook(
    'distances',
    slope_up='hardly anything is left to accelerate up a slope of {slope}',
    slope_down='hardly anything is left to brake down a slope of {slope}',
    gravel='no rule for a {what} on gravel',
    surface_unknown='nobody has entered what the runway is made of',
    long_grass='no rule for a {what} in long grass',
    soft='no rule for a {what} on soft ground',
    snow_or_ice='no rule for a {what} on snow or ice',
    too_much_tailwind='tailwind {wind} is more than the {limit} of the rule',
    table='handbook table',
    table_roll='handbook table, ground roll',
    table_over_50='handbook table, to 50 ft',
    faster='touchdown {off} faster than the table: flap and weight',
    slower='touchdown {off} slower than the table: flap and weight',
    headwind='headwind {wind}',
    tailwind='tailwind {wind}',
    wet_grass='wet short grass: slippery',
    dry_grass='dry short grass; long grass is not covered',
    wet_grass_roll='wet short grass, on the roll only',
    dry_grass_roll='dry short grass, on the roll only',
    wet_paved='wet paved runway',
    uphill='{slope} uphill',
    downhill='{slope} downhill',
    factor='safety factor',
)
_LEAST_SHARE_ON_SLOPE = 0.15  # [own] of the acceleration that a slope must leave


def say_distance(name: str) -> Sentence:
    """One of the reasons of a takeoff's corrections that carry no number."""
    return _BOOK.say(name)


def slope_factor(*, roll_ft: float, speed_fps: float, slope_pct: float, is_takeoff: bool) -> float:
    """By what a slope (positive uphill) lengthens a roll: the longer of the rule of thumb and of mechanics.

    The rule is 5 % for each 1 % [com]. Mechanics: the mean acceleration V²/2s is changed by g times the slope, whatever
    the air and the weight; a hot and high takeoff accelerates little, and a slope takes much of that.

    :param roll_ft: on the level
    :param speed_fps: over the ground, at lift-off or touchdown
    :raises OutsideTable: when the slope leaves next to nothing
    """
    uphill = slope_pct if is_takeoff else -slope_pct  # positive works against stopping or starting
    level_fps2 = speed_fps**2 / (2 * roll_ft)
    left_fps2 = level_fps2 - GRAVITY_FPS2 * uphill / 100
    if left_fps2 < _LEAST_SHARE_ON_SLOPE * level_fps2:
        raise OutsideTable(_BOOK.say('slope_up' if is_takeoff else 'slope_down', slope=_slope(slope_pct)))
    return max(0.5, 1 + SLOPE_PER_PCT * uphill, level_fps2 / left_fps2)


def require_known_surface(runway: RunwayEnd, state: SurfaceState, *, what: str) -> None:
    """Refuse a surface for which no correction is known.

    :raises OutsideTable: on gravel, and in long grass, on soft ground, snow or ice
    """
    if runway.surface == 'gravel':
        raise OutsideTable(_BOOK.say('gravel', what=what))
    if runway.surface == 'unknown':
        raise OutsideTable(_BOOK.say('surface_unknown'))
    if state not in ('dry', 'wet'):
        raise OutsideTable(_BOOK.say(state, what=what))


def require_usual_tailwind(headwind_kt: float) -> None:
    """Refuse more tailwind than the rule is printed for.

    :raises OutsideTable: beyond it
    """
    if headwind_kt < -TAILWIND_LIMIT_KT:
        wind, limit = told_apart(knots(-headwind_kt), knots(TAILWIND_LIMIT_KT))
        raise OutsideTable(_BOOK.say('too_much_tailwind', wind=wind, limit=limit))


def wind_reason(headwind_kt: float) -> Sentence:
    """The step of a head- or tailwind."""
    return _BOOK.say('headwind' if headwind_kt > 0 else 'tailwind', wind=knots(abs(headwind_kt)))


def slope_reason(slope_pct: float) -> Sentence:
    """The step of a slope, as a landing sees it."""
    return _BOOK.say('uphill' if slope_pct > 0 else 'downhill', slope=_slope(slope_pct))


def _slope(slope_pct: float) -> Quantity:
    return as_given(abs(slope_pct), 'pct')


def landing_ground_roll(
    *,
    table: LandingTable,
    runway: RunwayEnd,
    pressure_altitude_ft: float,
    temperature_c: float,
    headwind_kt: float,
    touchdown_ktas: float,
    touchdown_over_table: float = 1.0,
    surface_state: SurfaceState = 'dry',
) -> GroundRoll:
    """Correct the table for wind, surface and slope, then factor it.

    :param touchdown_ktas: of this landing, for what a slope does
    :param touchdown_over_table: touchdown speed over that of the table, which is for full flap and maximum weight
    :raises OutsideTable: outside the table, in more tailwind or on a surface than the rules are printed for

    Source: corrections [com]; factor [pub: UK CAA Safety Sense leaflet on performance, value from memory].
    The roll goes with the square of the touchdown speed: constant braking [own]. Slope counts both ways:
    uphill shortens, downhill lengthens.
    """
    require_known_surface(runway, surface_state, what='ground roll')
    require_usual_tailwind(headwind_kt)
    distance_ft = table.ground_roll(pressure_altitude_ft=pressure_altitude_ft, temperature_c=temperature_c)
    over_50_ft = table.over_50(pressure_altitude_ft=pressure_altitude_ft, temperature_c=temperature_c)
    from_50_ft = None if over_50_ft is None else over_50_ft - distance_ft
    steps = [DistanceStep(factor=1.0, distance_ft=distance_ft, reason=_BOOK.say('table'), source='handbook')]

    def correct(factor: float, reason: Sentence, source: str = 'common practice') -> None:
        nonlocal distance_ft
        distance_ft *= factor
        steps.append(DistanceStep(factor=factor, distance_ft=distance_ft, reason=reason, source=source))

    if abs(touchdown_over_table - 1) > 1e-9:
        off = per_cent(abs(touchdown_over_table - 1) * 100)
        correct(
            touchdown_over_table**2, _BOOK.say('faster' if touchdown_over_table > 1 else 'slower', off=off), 'own model'
        )
    if headwind_kt > 0:
        correct(max(0.5, 1 - HEADWIND_CREDIT_PER_KT * headwind_kt), wind_reason(headwind_kt))
    elif headwind_kt < 0:
        correct(1 - TAILWIND_PENALTY_PER_KT * headwind_kt, wind_reason(headwind_kt))
    if (surface := _surface_correction(runway, surface_state)) is not None:
        correct(*surface)
    if runway.slope_pct:
        ground_fps = max(1.0, touchdown_ktas - headwind_kt) * FPS_PER_KT
        factor = slope_factor(roll_ft=distance_ft, speed_fps=ground_fps, slope_pct=runway.slope_pct, is_takeoff=False)
        correct(factor, slope_reason(runway.slope_pct))
    expected_ft = distance_ft
    correct(LANDING_FACTOR, _BOOK.say('factor'), 'UK CAA leaflet, from memory')
    # the way through the air is over the ground in less time against the wind, and is corrected for nothing else
    air_ft = None if from_50_ft is None else from_50_ft * steps_factor(steps, 'headwind', 'tailwind')
    return GroundRoll(
        expected_ft=expected_ft,
        factored_ft=distance_ft,
        over_50_ft_ft=None if air_ft is None else air_ft + expected_ft,
        steps=tuple(steps),
    )


def _surface_correction(runway: RunwayEnd, state: SurfaceState) -> tuple[float, Sentence, str] | None:
    """Factor on the roll, why, and the source; None on a dry paved runway."""
    is_wet, leaflet = state == 'wet', 'UK CAA leaflet, from memory'
    if runway.surface == 'grass' and is_wet:
        return 1 + CAA_LANDING_WET_GRASS, _BOOK.say('wet_grass'), leaflet
    if runway.surface == 'grass':
        return 1 + LANDING_GRASS, _BOOK.say('dry_grass'), 'common practice'
    return (1 + CAA_LANDING_WET_PAVED, _BOOK.say('wet_paved'), leaflet) if is_wet else None


def steps_factor(steps: list[DistanceStep], *names: str) -> float:
    """The product of the corrections with these reasons."""
    return math.prod(step.factor for step in steps if step.reason.name in names)
