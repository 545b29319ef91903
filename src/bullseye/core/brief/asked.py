"""What takeoff, pattern and power-off landing of a lesson are asked with, and how they are answered."""

from __future__ import annotations

import math
from dataclasses import replace

from bullseye.core.air.turns import GroundWind
from bullseye.core.basis.sentence import (
    Caution,
    Phrasebook,
    gravest_first,
    knots,
)
from bullseye.core.basis.unknown import known_or
from bullseye.core.brief.conditions import air_cautions, alone_cautions, wind_cautions, wind_part
from bullseye.core.brief.landing import BriefAnswer
from bullseye.core.brief.overruled import PATTERN_NUMBERS, TAKEOFF_NUMBERS, overrule_cautions
from bullseye.core.brief.plan import Plan, pattern_altitude_ft
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import LandingSetup, landing_setup
from bullseye.core.brief.weather import weather_cautions
from bullseye.core.fly.pattern import (
    Climb,
    PatternAnswer,
    PatternTask,
    brief_pattern,
    pattern_wind,
)
from bullseye.core.fly.poweroff import GlideTask, NoGlide, PowerOffAnswer, brief_power_off
from bullseye.core.fly.takeoff import TakeoffAnswer, brief_takeoff
from bullseye.core.fly.takeoffrun import AsSet, TakeoffTask
from bullseye.core.given.airfield import RunwayEnd
from bullseye.core.given.overrule import OverruledNumber

_BOOK = Phrasebook('whole')


def today_cautions(request: BriefRequest, setup: LandingSetup) -> list[Caution]:
    """What wind, weather and air of the day warn of, on every screen alike."""
    wind = wind_part(request, setup)
    return [
        *alone_cautions(request),
        *wind_cautions(request, setup),
        *weather_cautions(request),
        *air_cautions(request, wind),
    ]


def stops_today(request: BriefRequest, setup: LandingSetup) -> list[Caution]:
    """What forbids every lap of this hour."""
    return [one for one in today_cautions(request, setup) if one.severity == 'stop']


def takeoff_of(request: BriefRequest, plan: Plan, setup: LandingSetup) -> TakeoffAnswer:
    """The takeoff part of a brief."""
    task = TakeoffTask(
        kind=plan.takeoff,
        aircraft=request.aircraft,
        runway=request.runway,
        surface_state=request.surface_state,
        weight_lb=request.weight_lb,
        pressure_altitude_ft=setup.pressure_altitude_ft,
        density_ratio=setup.density_ratio,
        temperature_c=request.weather.temperature_c,
        headwind_kt=None if setup.wind is None else setup.wind.sure_headwind_kt,
        technique=request.technique,
        pattern_altitude_ft=pattern_altitude_ft(request, plan),
        as_set=AsSet(
            over_50_ft=request.overrule('takeoff_over_50_ft'),
            rotate_kias=request.overrule('rotate_kias'),
            vx_kias=request.overrule('vx_kias'),
            vy_kias=request.overrule('vy_kias'),
            abort_point_ft=request.overrule('abort_point_ft'),
            first_turn_height_ft=request.overrule('first_turn_height_ft'),
        ),
    )
    answer = brief_takeoff(task)
    # the wind that forbids a landing forbids the takeoff before it
    said = [one for one in today_cautions(request, setup) if one.severity != 'know']
    if setup.wind is not None and setup.wind.head_kt is None:
        said.append(Caution('mind', _BOOK.say('no_direction', wind=knots(setup.wind.any_way_kt))))
    worked_out: dict[OverruledNumber, float | None] = {}
    if any(one.number in TAKEOFF_NUMBERS for one in request.overruled):
        ours = brief_takeoff(replace(task, as_set=AsSet()))
        worked_out = {
            'takeoff_over_50_ft': ours.over_50_ft_ft,
            'rotate_kias': ours.lift_off_speed_kias,
            'vx_kias': ours.vx_kias,
            'vy_kias': ours.vy_kias,
            'abort_point_ft': ours.abort_point_ft,
            'first_turn_height_ft': ours.first_turn_ft - request.runway.elevation_ft,
        }
    said += overrule_cautions(request, TAKEOFF_NUMBERS, worked_out)
    return replace(answer, cautions=gravest_first((*said, *answer.cautions)))


def pattern_task(
    request: BriefRequest, plan: Plan, setup: LandingSetup, brief: BriefAnswer, takeoff: TakeoffAnswer
) -> PatternTask:
    """What the pattern of a brief is worked out for."""
    wind = request.assumed_wind
    roll_ft, over_ft = takeoff.ground_roll_ft, takeoff.over_50_ft_ft
    known = roll_ft is not None and over_ft is not None and over_ft > roll_ft
    climb = Climb(ground_roll_ft=roll_ft, over_50_ft_ft=over_ft) if known else None  # type: ignore[arg-type]
    return PatternTask(
        aircraft=request.aircraft,
        runway=request.runway,
        choice=plan.pattern,
        weight_lb=request.weight_lb,
        density_ratio=setup.density_ratio,
        surface_wind_deg_true=wind.direction_deg_true,
        surface_wind_kt=wind.speed_kt,
        pattern_altitude_ft=pattern_altitude_ft(request, plan),
        first_turn_ft=takeoff.first_turn_ft,
        climb=climb,
        aim_point_ft=brief.aim.aim_point_ft,
        spot_ft=request.spot_ft,
        path_angle_deg=brief.speed.path_angle_deg,
        approach_kias=brief.speed.approach_speed_kias,
        is_northern=plan.is_northern,
        base_cue=request.technique.base_cue,
        landing_flap=brief.speed.flap,
        final_groundspeed_kt=brief.speed.approach_groundspeed_kt if plan.pattern.wind_kt is None else None,
        surface_wind_is_known=request.weather.is_known,
        downwind_kias=request.overrule('downwind_kias'),
        base_kias=request.overrule('base_kias'),
    )


def _ground_wind(runway: RunwayEnd, direction_deg_true: float | None, speed_kt: float) -> GroundWind:
    off = math.radians(known_or(direction_deg_true, 0.0) - runway.course_deg_true)
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
        glide_kias=request.overrule('best_glide_kias'),
        turn_after_abeam_ft=request.overrule('glide_turn_ft'),
    )


def pattern_as_set(request: BriefRequest, task: PatternTask) -> PatternAnswer:
    """The pattern, with what the instructor set of it said first."""
    answer = brief_pattern(task)
    answer = replace(answer, cautions=gravest_first((*stops_today(request, landing_setup(request)), *answer.cautions)))
    if task.downwind_kias is None and task.base_kias is None:
        return answer
    ladder = request.aircraft.ladder
    root = math.sqrt(request.aircraft.weight_ratio(request.weight_lb))
    worked_out: dict[OverruledNumber, float | None] = {}
    if ladder is not None:
        worked_out = {'downwind_kias': ladder.downwind.kias, 'base_kias': ladder.base.kias * root}
    said = overrule_cautions(request, frozenset({'downwind_kias', 'base_kias'}), worked_out)
    return replace(answer, cautions=gravest_first((*said, *answer.cautions)))


def glide_as_set(request: BriefRequest, task: GlideTask) -> PowerOffAnswer:
    """The power-off 180, likewise; one that cannot be worked out unset has nothing to compare with."""
    if not request.weather.is_known:
        raise NoGlide(_BOOK.say('no_wind'))
    answer = brief_power_off(task)
    answer = replace(answer, cautions=gravest_first((*stops_today(request, landing_setup(request)), *answer.cautions)))
    if task.glide_kias is None and task.turn_after_abeam_ft is None:
        return answer
    worked_out: dict[OverruledNumber, float | None] = {}
    try:
        ours = brief_power_off(replace(task, glide_kias=None, turn_after_abeam_ft=None))
        worked_out = {'best_glide_kias': ours.glide_kias, 'glide_turn_ft': ours.turn_after_abeam_ft}
    except NoGlide:
        worked_out = {}
    said = overrule_cautions(request, PATTERN_NUMBERS - {'downwind_kias', 'base_kias'}, worked_out)
    return replace(answer, cautions=gravest_first((*said, *answer.cautions)))
