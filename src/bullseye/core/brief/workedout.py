"""What takeoff, pattern, final and rollout of a lap were worked out to be, for judging it by."""

from __future__ import annotations

import math
from dataclasses import dataclass

from bullseye.core.air.atmosphere import true_airspeed_kt
from bullseye.core.brief.ground import ground_roll
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import landing_setup
from bullseye.core.brief.whole import Plan, pattern_altitude_ft, takeoff_of
from bullseye.core.fly.pattern import NoPattern, PatternAnswer, PatternTask, brief_pattern
from bullseye.core.measure.around import WorkedOut


@dataclass(frozen=True, slots=True, kw_only=True)
class _Pattern:
    climb_groundspeed_kt: float | None = None
    downwind_groundspeed_kt: float | None = None
    spacing_ft: float | None = None


def work_out(request: BriefRequest, plan: Plan) -> WorkedOut:
    """Figures of one lap beside its landing; None where one cannot be worked out.

    The wind is that of the lap's brief; at pattern height it is the estimate that the pattern is planned with.
    """
    setup = landing_setup(request)
    takeoff = takeoff_of(request, plan, setup)
    task = PatternTask(
        aircraft=request.aircraft,
        runway=request.runway,
        choice=plan.pattern,
        weight_lb=request.weight_lb,
        density_ratio=setup.density_ratio,
        surface_wind_deg_true=request.wind.direction_deg_true,
        surface_wind_kt=request.wind.speed_kt,
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
    roll, _ = ground_roll(request, setup)
    known_wind = setup.wind.head_kt is not None and request.weather.given != 'never'
    final_kt = true_airspeed_kt(
        calibrated_kt=setup.flap.airspeed_table.calibrated_kt(setup.speed_kias), density_ratio=setup.density_ratio
    ) * math.cos(math.radians(setup.path_angle_deg))
    return WorkedOut(
        liftoff_ft=takeoff.ground_roll_ft,
        climb_groundspeed_kt=pattern.climb_groundspeed_kt if known_wind else None,
        first_turn_height_ft=takeoff.first_turn_ft - request.runway.elevation_ft,
        downwind_groundspeed_kt=pattern.downwind_groundspeed_kt if known_wind else None,
        spacing_ft=pattern.spacing_ft,
        bank_deg=plan.pattern.bank_deg,
        final_groundspeed_kt=final_kt - (setup.wind.head_kt or 0.0) if known_wind else None,
        rollout_ft=None if roll is None else roll.expected_ft,
        density_root=math.sqrt(setup.density_ratio),
        gate_ft=float(request.technique.stabilised_by_ft),
    )


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
