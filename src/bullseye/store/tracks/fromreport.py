"""What the report of a flight tells of one lap beside its touchdown: wind, lift-off, roll, low pass."""

from __future__ import annotations

from bullseye.core.air.wind import Wind
from bullseye.core.brief.lapwind import is_usual, near_ground
from bullseye.core.measure.around import WindAloft
from bullseye.store.equipment import catalogue
from bullseye.store.flying.around import around_of
from bullseye.store.rows.equipment import RunwayEnd
from bullseye.tracks.events import FlightReport, LowPass


def wind_near_ground(report: FlightReport, end: RunwayEnd) -> Wind | None:
    """The surest wind of a flight as a mast at the field would have read it; None when no turn tells one."""
    found = min(report.wind, key=lambda one: one.uncertainty_kt, default=None)
    if found is None:
        return None
    aloft = WindAloft(from_deg_true=found.from_deg_true % 360, speed_kt=found.speed_kt, half_kt=found.uncertainty_kt)
    return near_ground(aloft, roughness_ft=catalogue.runway_of(end).roughness_ft) if is_usual(aloft) else None


def lifted_off_ft(report: FlightReport, end: int) -> float | None:
    """The takeoff roll of the lap that an event ended [ft]; None when it was not measured, or makes no sense.

    One that went on from a touch without a stop tells nothing of a takeoff: it is none.
    """
    around = around_of(report, end)
    roll_ft = None if around is None else around.liftoff_ft
    return roll_ft if roll_ft is not None and 0 <= roll_ft <= 20_000 else None


def rolled_on_ft(report: FlightReport, end: int) -> float | None:
    """What an older Bullseye took for a takeoff roll: from a touch-and-go to its lift-off [ft]; None of none."""
    lap = next((one for one in report.laps if one.end == end), None)
    if lap is None or lap.takeoff is None or lifted_off_ft(report, end) is not None:
        return None
    return report.events[lap.takeoff].liftoff_roll_ft


def low_pass_of(report: FlightReport, end: int) -> LowPass | None:
    """The low pass that a lap ended with, if it did."""
    return next((one.low_pass for one in report.laps if one.end == end), None)
