"""The landing distances, from the handbook's table and the usual corrections."""

from __future__ import annotations

from dataclasses import dataclass

from bullseye.core.basis.constants import (
    CAA_LANDING_GRASS,
    CAA_LANDING_WET_GRASS,
    CAA_LANDING_WET_PAVED,
    FPS_PER_KT,
    GRAVITY_FPS2,
    HEADWIND_CREDIT_PER_KT,
    LANDING_FACTOR,
    LANDING_GRASS,
    LANDING_SLIPPERY_GRASS,
    SLOPE_PER_PCT,
    TAILWIND_LIMIT_KT,
    TAILWIND_PENALTY_PER_KT,
)
from bullseye.core.basis.errors import OutsideTable
from bullseye.core.basis.kinds import CorrectionSet, SurfaceState
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
class LandingDistances:
    """Ground roll and whole distance from 50 ft to the stop [ft] by one set of corrections, with the steps of each.

    The whole distance is None where the handbook's is not entered.
    """

    correction_set: CorrectionSet
    ground_roll_ft: float
    over_50_ft_ft: float | None
    ground_roll_steps: tuple[DistanceStep, ...]
    over_50_ft_steps: tuple[DistanceStep, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class GroundRoll:
    """Landing ground roll [ft], the same with the safety factor, and both distances by each set of corrections.

    ``expected_ft`` is by common practice, unfactored: where the wheels stop. ``factored_ft`` is by the leaflet's set,
    its own surface and factor together: what must fit behind the last touchdown.
    """

    expected_ft: float
    factored_ft: float
    by_set: tuple[LandingDistances, ...]

    def by(self, correction_set: CorrectionSet) -> LandingDistances:
        """Both distances by one set."""
        return next(one for one in self.by_set if one.correction_set == correction_set)


def ground_roll_by(*by_set: LandingDistances) -> GroundRoll:
    """Both distances by every set, with the two rolls that a landing is briefed by."""
    rolls = {one.correction_set: one.ground_roll_ft for one in by_set}
    return GroundRoll(expected_ft=rolls['common'], factored_ft=rolls['uk_caa'], by_set=by_set)


_BOOK = Phrasebook('distances')
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


class CorrectedDistance:
    """A distance with the corrections made to it so far, each as a factor."""

    def __init__(self, distance_ft: float, what: Sentence) -> None:
        self.distance_ft = distance_ft
        self.steps = [DistanceStep(factor=1.0, distance_ft=distance_ft, reason=what, source='handbook')]

    def by(self, factor: float, reason: Sentence, source: str) -> None:
        self.distance_ft *= factor
        self.steps.append(DistanceStep(factor=factor, distance_ft=self.distance_ft, reason=reason, source=source))


def landing_distances(
    *,
    table: LandingTable,
    runway: RunwayEnd,
    correction_set: CorrectionSet,
    pressure_altitude_ft: float,
    temperature_c: float,
    headwind_kt: float,
    touchdown_ktas: float,
    touchdown_over_table: float = 1.0,
    surface_state: SurfaceState = 'dry',
) -> LandingDistances:
    """Correct both distances of the handbook for speed, wind, surface and slope by one set, never by two.

    Wind and slope count as handbooks print them, in both sets [com]. Common practice lengthens the roll alone for the
    surface, and does not factor [com]; the leaflet lengthens the whole distance, and ends with a factor
    [pub: UK CAA Safety Sense leaflet on performance, values from memory].

    Both distances go with the square of the touchdown speed: constant braking, and an approach as much faster [own].
    A slope counts by the longer of the rule and of mechanics, on the roll, uphill and downhill.

    :param touchdown_ktas: of this landing, for what wind and slope do
    :param touchdown_over_table: touchdown speed over that of the table, which is for full flap and maximum weight
    :raises OutsideTable: outside the table, in more tailwind or on a surface than the rules are printed for
    """
    require_known_surface(runway, surface_state, what='ground roll')
    require_usual_tailwind(headwind_kt)
    common = correction_set == 'common'
    roll_ft = table.ground_roll(pressure_altitude_ft=pressure_altitude_ft, temperature_c=temperature_c)
    over_50_ft = table.over_50(pressure_altitude_ft=pressure_altitude_ft, temperature_c=temperature_c)
    roll = CorrectedDistance(roll_ft, _BOOK.say('table'))
    over = None if over_50_ft is None else CorrectedDistance(over_50_ft, _BOOK.say('table_from_50'))
    both = [roll] if over is None else [roll, over]

    if abs(touchdown_over_table - 1) > 1e-9:
        off = per_cent(abs(touchdown_over_table - 1) * 100)
        for one in both:
            one.by(
                touchdown_over_table**2,
                _BOOK.say('faster' if touchdown_over_table > 1 else 'slower', off=off),
                'own model',
            )
    if headwind_kt:
        shorter = max(0.5, 1 - HEADWIND_CREDIT_PER_KT * headwind_kt)
        for one in both:
            by_wind = shorter if headwind_kt > 0 else 1 - TAILWIND_PENALTY_PER_KT * headwind_kt
            one.by(by_wind, wind_reason(headwind_kt), 'common practice')
    if (surface := _surface_correction(runway, surface_state, common=common)) is not None:
        longer, reason, by_whom = surface
        if over is not None:
            over.by(1 + longer * (roll.distance_ft / over.distance_ft if common else 1.0), reason, by_whom)
        roll.by(1 + longer, reason, by_whom)
    if runway.slope_pct:
        ground_fps = max(1.0, touchdown_ktas - headwind_kt) * FPS_PER_KT
        level_ft = roll.distance_ft
        factor = slope_factor(roll_ft=level_ft, speed_fps=ground_fps, slope_pct=runway.slope_pct, is_takeoff=False)
        roll.by(factor, slope_reason(runway.slope_pct), 'common practice')
        if over is not None:
            along = 1 + (factor - 1) * level_ft / over.distance_ft
            over.by(along, slope_reason(runway.slope_pct), 'common practice')
    if not common:
        for one in both:
            one.by(LANDING_FACTOR, _BOOK.say('factor'), _LEAFLET)
    return LandingDistances(
        correction_set=correction_set,
        ground_roll_ft=roll.distance_ft,
        over_50_ft_ft=None if over is None else over.distance_ft,
        ground_roll_steps=tuple(roll.steps),
        over_50_ft_steps=() if over is None else tuple(over.steps),
    )


_LEAFLET = 'UK CAA leaflet, from memory'


def _surface_correction(runway: RunwayEnd, state: SurfaceState, *, common: bool) -> tuple[float, Sentence, str] | None:
    """By which share a surface lengthens a landing, why, and the source; None on a dry paved runway.

    What is wet stands in the leaflet alone; common practice takes its figure for short and slippery wet grass, since
    nothing is put on top of it.
    """
    is_wet = state == 'wet'
    if runway.surface == 'grass' and is_wet:
        longer = LANDING_SLIPPERY_GRASS if common else CAA_LANDING_WET_GRASS
        return longer, _BOOK.say('wet_grass' if common else 'wet_grass_whole'), _LEAFLET
    if runway.surface == 'grass':
        longer = LANDING_GRASS if common else CAA_LANDING_GRASS
        return longer, _BOOK.say('dry_grass'), 'common practice' if common else _LEAFLET
    return (CAA_LANDING_WET_PAVED, _BOOK.say('wet_paved'), _LEAFLET) if is_wet else None
