"""Everything that is decided before the engine starts: runway, takeoff, pattern, landing, power-off reach."""

from __future__ import annotations

import math
from dataclasses import dataclass, field, fields, replace
from datetime import datetime
from functools import cache

from pydantic import TypeAdapter

from bullseye.core.airfield import Airfield, RunwayEnd
from bullseye.core.brief import BriefAnswer, Setting, crosswind_limits, ground_roll, make_brief, setting
from bullseye.core.constants import PATTERN_HEIGHT_FT
from bullseye.core.kinds import TakeoffKind
from bullseye.core.pattern import NoPattern, PatternAnswer, PatternChoice, PatternTask, brief_pattern, pattern_wind
from bullseye.core.poweroff import GlideTask, NoGlide, PowerOffAnswer, brief_power_off
from bullseye.core.ranking import Candidate, RankedEnd, rank_ends
from bullseye.core.request import BriefRequest
from bullseye.core.sun import sun_at
from bullseye.core.takeoff import TakeoffAnswer, brief_takeoff
from bullseye.core.turns import GroundWind


@dataclass(frozen=True, slots=True, kw_only=True)
class Plan:
    """What the whole brief is asked with, beside the landing."""

    takeoff: TakeoffKind = 'normal'
    pattern: PatternChoice = field(default_factory=PatternChoice)
    airfield: Airfield | None = None
    at: datetime | None = None  # with a zone; for the sun
    is_northern: bool = True


@dataclass(frozen=True, slots=True, kw_only=True)
class Parts:
    """The parts of a whole brief beside the landing; None where one cannot be worked out, and why among the notes."""

    runway_ranking: tuple[RankedEnd, ...]
    takeoff: TakeoffAnswer
    pattern: PatternAnswer | None
    power_off: PowerOffAnswer | None
    notes: tuple[str, ...]


def _pattern_altitude_ft(request: BriefRequest, plan: Plan) -> float:
    if plan.airfield is not None and plan.airfield.pattern_altitude_ft is not None:
        return plan.airfield.pattern_altitude_ft
    return request.runway.elevation_ft + PATTERN_HEIGHT_FT


def takeoff_of(request: BriefRequest, plan: Plan, made: Setting) -> TakeoffAnswer:
    """The takeoff part of a brief."""
    return brief_takeoff(
        kind=plan.takeoff,
        aircraft=request.aircraft,
        runway=request.runway,
        weight_lb=request.weight_lb,
        pressure_altitude_ft=made.pressure_altitude_ft,
        density_ratio=made.density_ratio,
        temperature_c=request.weather.temperature_c,
        headwind_kt=made.wind.head_kt,
        technique=request.technique,
        pattern_altitude_ft=_pattern_altitude_ft(request, plan),
    )


def ranking_of(request: BriefRequest, plan: Plan) -> tuple[RankedEnd, ...]:
    """All ends of the field ranked for this wind, aircraft and time; the end of the request alone without a field."""
    airfield = plan.airfield
    sun = None
    if airfield is not None and plan.at is not None:
        sun = sun_at(lat_deg=airfield.latitude_deg, lon_deg=airfield.longitude_deg, at=plan.at)
    wind = request.weather.wind(variation_deg=request.runway.magnetic_variation_deg)
    # one wind for all ends, whatever variation each prints
    weather = replace(request.weather, wind_dir_deg_mag=None, wind_dir_deg_true=wind.direction_deg_true)
    candidates = []
    for end in airfield.ends if airfield else (request.runway,):
        spot_ft = min(request.spot_ft, end.landing_distance_available_ft / 2)
        asked = replace(request, runway=end, weather=weather, spot_ft=spot_ft, aim_point_ft=None)
        made = setting(asked)
        takeoff = takeoff_of(asked, plan, made)
        roll, _ = ground_roll(asked, made)
        candidates.append(
            Candidate(
                runway=end,
                wind=made.wind,
                limits=crosswind_limits(asked, made.wind),
                takeoff_margin_ft=takeoff.over_50_margin_ft,
                landing_margin_ft=None if roll is None else end.landing_distance_available_ft - roll.factored_ft,
                sun=sun,
            )
        )
    return rank_ends(candidates)


def pattern_task(
    request: BriefRequest, plan: Plan, made: Setting, brief: BriefAnswer, first_turn_ft: float
) -> PatternTask:
    """What the pattern of a brief is worked out for."""
    wind = request.weather.wind(variation_deg=request.runway.magnetic_variation_deg)
    return PatternTask(
        aircraft=request.aircraft,
        runway=request.runway,
        choice=plan.pattern,
        weight_lb=request.weight_lb,
        density_ratio=made.density_ratio,
        surface_wind_deg_true=wind.direction_deg_true,
        surface_wind_kt=wind.speed_kt,
        pattern_altitude_ft=_pattern_altitude_ft(request, plan),
        first_turn_ft=first_turn_ft,
        aim_point_ft=brief.aim_point_ft,
        spot_ft=request.spot_ft,
        path_angle_deg=brief.path_angle_deg,
        approach_kias=brief.approach_speed_kias,
        is_northern=plan.is_northern,
    )


def _ground_wind(runway: RunwayEnd, direction_deg_true: float | None, speed_kt: float) -> GroundWind:
    off = math.radians((direction_deg_true or 0.0) - runway.course_deg_true)
    return GroundWind.on(headwind_kt=speed_kt * math.cos(off), crosswind_from_right_kt=speed_kt * math.sin(off))


def glide_task(request: BriefRequest, task: PatternTask) -> GlideTask:
    """What the power-off 180 of a brief is worked out for."""
    direction, speed_kt, _ = pattern_wind(task)
    return GlideTask(
        aircraft=request.aircraft,
        runway=request.runway,
        weight_lb=request.weight_lb,
        density_ratio=task.density_ratio,
        height_ft=task.tpa_ft,
        spacing_ft=task.spacing_ft,
        side='right' if task.right > 0 else 'left',
        shape=request.technique.power_off_shape,
        spot_ft=request.spot_ft,
        aim_point_ft=task.aim_point_ft,
        ground_wind=_ground_wind(request.runway, task.surface_wind_deg_true, task.surface_wind_kt),
        pattern_wind=_ground_wind(request.runway, direction, speed_kt),
    )


def make_parts(request: BriefRequest, plan: Plan, brief: BriefAnswer | None = None) -> Parts:
    """Work out everything beside the landing itself; no part that fails takes another with it."""
    made = setting(request)
    brief = brief or make_brief(request)
    takeoff = takeoff_of(request, plan, made)
    notes: list[str] = []
    pattern: PatternAnswer | None = None
    power_off: PowerOffAnswer | None = None
    task = pattern_task(request, plan, made, brief, takeoff.first_turn_ft)
    try:
        pattern = brief_pattern(task)
    except NoPattern as error:
        notes.append(f'No pattern: {error}.')
    try:
        power_off = brief_power_off(glide_task(request, task))
    except (NoGlide, NoPattern) as error:
        notes.append(f'No power-off reach: {error}.')
    return Parts(
        runway_ranking=ranking_of(request, plan),
        takeoff=takeoff,
        pattern=pattern,
        power_off=power_off,
        notes=tuple(notes),
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class WholeBrief(BriefAnswer):
    """A landing brief with all its other parts."""

    runway: str
    weather_warnings: tuple[str, ...]
    runway_ranking: tuple[RankedEnd, ...]
    takeoff: TakeoffAnswer
    pattern: PatternAnswer | None
    power_off: PowerOffAnswer | None
    notes: tuple[str, ...]


def make_whole_brief(request: BriefRequest, plan: Plan, *, weather_warnings: tuple[str, ...] = ()) -> WholeBrief:
    """Work out one lesson's brief.

    :param weather_warnings: what is to be said of the report that the weather comes from
    """
    brief = make_brief(request)
    parts = make_parts(request, plan, brief)
    landing = {one.name: getattr(brief, one.name) for one in fields(BriefAnswer)}
    return WholeBrief(
        **landing,
        runway=request.runway.ident,
        weather_warnings=weather_warnings,
        runway_ranking=parts.runway_ranking,
        takeoff=parts.takeoff,
        pattern=parts.pattern,
        power_off=parts.power_off,
        notes=parts.notes,
    )


@cache
def whole_adapter() -> TypeAdapter[WholeBrief]:
    """Writer of whole briefs, made once."""
    return TypeAdapter(WholeBrief)
