"""What takeoff, pattern, final and rollout of a lap were worked out to be, for judging it by."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace

from bullseye.core.air.atmosphere import true_airspeed_kt
from bullseye.core.brief.asked import takeoff_of
from bullseye.core.brief.ground import ground_roll
from bullseye.core.brief.lapwind import LapWind, in_wind
from bullseye.core.brief.plan import Plan, pattern_altitude_ft
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import landing_setup
from bullseye.core.fly.pattern import NoPattern, PatternAnswer, PatternChoice, PatternTask, brief_pattern
from bullseye.core.measure.around import WorkedOut


@dataclass(frozen=True, slots=True, kw_only=True)
class _Pattern:
    climb_groundspeed_kt: float | None = None
    downwind_groundspeed_kt: float | None = None
    spacing_ft: float | None = None


def work_out(request: BriefRequest, plan: Plan, wind: LapWind | None) -> WorkedOut:
    """Figures of one lap beside its landing; None where one cannot be worked out, and all that moves with a wind that
    nobody knows.

    :param wind: of the lap; at pattern height what the turns told, else the estimate that the pattern is planned with
    """
    setup = landing_setup(request)
    flown = in_wind(request, wind)
    moved = landing_setup(flown)
    takeoff = takeoff_of(flown, plan, moved)
    task = PatternTask(
        aircraft=request.aircraft,
        runway=request.runway,
        choice=_in_wind_aloft(plan, wind),
        weight_lb=request.weight_lb,
        density_ratio=setup.density_ratio,
        surface_wind_deg_true=flown.assumed_wind.direction_deg_true,
        surface_wind_kt=flown.assumed_wind.speed_kt,
        pattern_altitude_ft=pattern_altitude_ft(request, plan),
        first_turn_ft=takeoff.first_turn_ft,
        aim_point_ft=request.spot_ft,  # it changes neither speeds nor spacing
        spot_ft=request.spot_ft,
        path_angle_deg=setup.path_angle_deg,
        approach_kias=setup.speed_kias,
        is_northern=plan.is_northern,
        downwind_kias=request.overrule('downwind_kias'),
        base_kias=request.overrule('base_kias'),
    )
    pattern = _pattern(task)
    roll, _ = ground_roll(flown, moved)
    final_kt = true_airspeed_kt(
        calibrated_kt=setup.flap.airspeed_table.calibrated_kt(setup.speed_kias), density_ratio=setup.density_ratio
    ) * math.cos(math.radians(setup.path_angle_deg))
    return WorkedOut(
        liftoff_ft=takeoff.ground_roll_ft if wind else None,
        climb_groundspeed_kt=pattern.climb_groundspeed_kt if wind else None,
        first_turn_height_ft=takeoff.first_turn_ft - request.runway.elevation_ft,
        downwind_groundspeed_kt=pattern.downwind_groundspeed_kt if wind else None,
        spacing_ft=pattern.spacing_ft,
        bank_deg=plan.pattern.bank_deg,
        final_groundspeed_kt=final_kt - wind.headwind_kt if wind else None,
        rollout_ft=None if roll is None or wind is None else roll.expected_ft,
        approach_kias=setup.speed_kias,
        density_root=math.sqrt(setup.density_ratio),
        gate_ft=float(request.technique.stabilised_by_ft),
        wind_by='briefed' if wind is None else wind.by,
        wind_aloft_by='briefed' if wind is None else 'turns' if wind.aloft else wind.by,
    )


def _in_wind_aloft(plan: Plan, wind: LapWind | None) -> PatternChoice:
    """The pattern in the wind that the turns told; else as the lap's own wind lets estimate, else as briefed."""
    if wind is None or (wind.aloft is None and not wind.is_of_this_lap):
        return plan.pattern
    if wind.aloft is None:  # what was briefed up there went with another wind at the ground
        return replace(plan.pattern, wind_dir_deg_true=None, wind_kt=None)
    return replace(plan.pattern, wind_dir_deg_true=wind.aloft.from_deg_true, wind_kt=wind.aloft.speed_kt)


def _pattern(task: PatternTask) -> _Pattern:
    try:
        answer = brief_pattern(task)
    except NoPattern:
        return _Pattern(spacing_ft=task.spacing_ft)
    return _Pattern(
        climb_groundspeed_kt=_groundspeed_kt(answer, 'upwind'),
        downwind_groundspeed_kt=_groundspeed_kt(answer, 'downwind'),
        spacing_ft=answer.spacing_ft,
    )


def _groundspeed_kt(answer: PatternAnswer, leg: str) -> float | None:
    return next((one.groundspeed_kt for one in answer.legs if one.leg == leg), None)
