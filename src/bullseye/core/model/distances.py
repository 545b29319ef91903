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
from bullseye.core.given.aircraft import LandingTable
from bullseye.core.given.airfield import RunwayEnd


@dataclass(frozen=True, slots=True, kw_only=True)
class DistanceStep:
    """One correction: its factor, the distance after it, and why."""

    factor: float
    distance_ft: float
    reason: str
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


_LEAST_SHARE_ON_SLOPE = 0.15  # [own] of the acceleration that a slope must leave


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
        what = 'to accelerate up' if is_takeoff else 'to brake down'
        raise OutsideTable(f'hardly anything is left {what} a slope of {abs(slope_pct):g} %')
    return max(0.5, 1 + SLOPE_PER_PCT * uphill, level_fps2 / left_fps2)


def require_known_surface(runway: RunwayEnd, state: SurfaceState, *, what: str) -> None:
    """Refuse a surface for which no correction is known.

    :raises OutsideTable: on gravel, and in long grass, on soft ground, snow or ice
    """
    if runway.surface == 'gravel':
        raise OutsideTable(f'no rule for a {what} on gravel')
    if runway.surface == 'unknown':
        raise OutsideTable('nobody has entered what the runway is made of')
    unknown = {'long_grass': 'in long grass', 'soft': 'on soft ground', 'snow_or_ice': 'on snow or ice'}
    if state in unknown:
        raise OutsideTable(f'no rule for a {what} {unknown[state]}')


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
    distance_ft = table.ground_roll(pressure_altitude_ft=pressure_altitude_ft, temperature_c=temperature_c)
    over_50_ft = table.over_50(pressure_altitude_ft=pressure_altitude_ft, temperature_c=temperature_c)
    from_50_ft = None if over_50_ft is None else over_50_ft - distance_ft
    steps = [DistanceStep(factor=1.0, distance_ft=distance_ft, reason='handbook table', source='handbook')]

    def correct(factor: float, reason: str, source: str = 'common practice') -> None:
        nonlocal distance_ft
        distance_ft *= factor
        steps.append(DistanceStep(factor=factor, distance_ft=distance_ft, reason=reason, source=source))

    if abs(touchdown_over_table - 1) > 1e-9:
        faster = 'faster' if touchdown_over_table > 1 else 'slower'
        off = abs(touchdown_over_table - 1)
        correct(touchdown_over_table**2, f'touchdown {off:.0%} {faster} than the table: flap and weight', 'own model')
    if headwind_kt < -TAILWIND_LIMIT_KT:
        raise OutsideTable(f'tailwind {-headwind_kt:.0f} kt is more than the {TAILWIND_LIMIT_KT:.0f} kt of the rule')
    if headwind_kt > 0:
        correct(max(0.5, 1 - HEADWIND_CREDIT_PER_KT * headwind_kt), f'headwind {headwind_kt:.0f} kt')
    elif headwind_kt < 0:
        correct(1 - TAILWIND_PENALTY_PER_KT * headwind_kt, f'tailwind {-headwind_kt:.0f} kt')
    is_wet, leaflet = surface_state == 'wet', 'UK CAA leaflet, from memory'
    if runway.surface == 'grass' and is_wet:
        correct(1 + CAA_LANDING_WET_GRASS, 'wet short grass: slippery', leaflet)
    elif runway.surface == 'grass':
        correct(1 + LANDING_GRASS, 'dry short grass; long grass is not covered')
    elif is_wet:
        correct(1 + CAA_LANDING_WET_PAVED, 'wet paved runway', leaflet)
    if runway.slope_pct:
        way = 'uphill' if runway.slope_pct > 0 else 'downhill'
        ground_fps = max(1.0, touchdown_ktas - headwind_kt) * FPS_PER_KT
        factor = slope_factor(roll_ft=distance_ft, speed_fps=ground_fps, slope_pct=runway.slope_pct, is_takeoff=False)
        correct(factor, f'{abs(runway.slope_pct):g} % {way}')
    expected_ft = distance_ft
    correct(LANDING_FACTOR, 'safety factor', 'UK CAA leaflet, from memory')
    # the way through the air is over the ground in less time against the wind, and is corrected for nothing else
    air_ft = None if from_50_ft is None else from_50_ft * steps_factor(steps, 'headwind', 'tailwind')
    return GroundRoll(
        expected_ft=expected_ft,
        factored_ft=distance_ft,
        over_50_ft_ft=None if air_ft is None else air_ft + expected_ft,
        steps=tuple(steps),
    )


def steps_factor(steps: list[DistanceStep], *starts: str) -> float:
    """The product of the corrections whose reason starts so."""
    return math.prod(step.factor for step in steps if step.reason.startswith(starts))
