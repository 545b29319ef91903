"""The landing ground roll, from the handbook's table and the usual corrections."""

from __future__ import annotations

from dataclasses import dataclass

from bullseye.core.basis.constants import (
    HEADWIND_CREDIT_PER_KT,
    LANDING_FACTOR,
    LANDING_GRASS,
    SLOPE_PER_PCT,
    TAILWIND_LIMIT_KT,
    TAILWIND_PENALTY_PER_KT,
)
from bullseye.core.basis.errors import OutsideTable
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
    """Landing ground roll [ft], the same with the safety factor, and the steps to it."""

    expected_ft: float
    factored_ft: float
    steps: tuple[DistanceStep, ...]


def landing_ground_roll(
    *,
    table: LandingTable,
    runway: RunwayEnd,
    pressure_altitude_ft: float,
    temperature_c: float,
    headwind_kt: float,
    touchdown_over_table: float = 1.0,
) -> GroundRoll:
    """Correct the table for wind, surface and slope, then factor it.

    :param touchdown_over_table: touchdown speed over that of the table, which is for full flap and maximum weight
    :raises OutsideTable: outside the table, in more tailwind or on a surface than the rules are printed for

    Source: corrections [com]; factor [pub: UK CAA Safety Sense leaflet on performance, value from memory].
    The roll goes with the square of the touchdown speed: constant braking [own]. Slope counts both ways:
    uphill shortens, downhill lengthens.
    """
    distance_ft = table.ground_roll(pressure_altitude_ft=pressure_altitude_ft, temperature_c=temperature_c)
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
    if runway.surface == 'grass':
        correct(1 + LANDING_GRASS, 'dry short grass; wet or long grass is not covered')
    elif runway.surface == 'gravel':
        raise OutsideTable('no rule for a ground roll on gravel')
    if runway.slope_pct:
        way = 'uphill' if runway.slope_pct > 0 else 'downhill'
        correct(max(0.5, 1 - SLOPE_PER_PCT * runway.slope_pct), f'{abs(runway.slope_pct):g} % {way}')
    expected_ft = distance_ft
    correct(LANDING_FACTOR, 'safety factor', 'UK CAA leaflet, from memory')
    return GroundRoll(expected_ft=expected_ft, factored_ft=distance_ft, steps=tuple(steps))
