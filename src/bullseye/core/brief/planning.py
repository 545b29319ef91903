"""The laps of a lesson one after the other, each with the brief of its own kind."""

from __future__ import annotations

from typing import get_args

from bullseye.core.air.sun import daylight_left_min
from bullseye.core.basis.kinds import LandingKind
from bullseye.core.basis.sentence import (
    Phrasebook,
    Sentence,
    lacking,
)
from bullseye.core.brief.asked import stops_today
from bullseye.core.brief.ends import touch_and_go_ft
from bullseye.core.brief.goodspots import GoodSpots
from bullseye.core.brief.landing import BriefAnswer
from bullseye.core.brief.lapplan import (
    BriefedLap,
    LapPlan,
    LapPlanTask,
    PlannedLap,
    kinds_wanted,
    make_lap_plan,
    own_words,
)
from bullseye.core.brief.plan import Plan, PlannedLaps
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import landing_setup
from bullseye.core.fly.pattern import (
    PatternAnswer,
)
from bullseye.core.fly.takeoff import TakeoffAnswer

_BOOK = Phrasebook('whole')


_LAP_S = 360.0  # [com] five to seven minutes a lap, where no pattern could be worked out
_ON_THE_GROUND_S = 45.0  # [own] of a touch-and-go, from the wheels down to the next roll
_TAXI_BACK_S = 240.0  # [own] of a full stop, from the wheels down over the taxi back to the next roll


def _no_lap(request: BriefRequest, brief: BriefAnswer, takeoff: TakeoffAnswer) -> tuple[Sentence, ...]:
    """Why no lap is flown at all: a wind that is not to be flown in, or a takeoff not known to fit."""
    said = [caution.words for caution in stops_today(request, landing_setup(request))]
    margin_ft = takeoff.over_50_margin_ft
    if margin_ft is None:
        said.append(_BOOK.say('takeoff_unknown'))
    elif margin_ft < 0:
        said.append(_BOOK.say('takeoff_short', short=lacking(margin_ft)))
    if request.runway.departure_obstacle is not None and takeoff.clears_obstacle is not True:
        low = takeoff.clears_obstacle is False
        said.append(_BOOK.say('takeoff_low' if low else 'takeoff_low_unknown'))
    return tuple(said)


def _goes_around(request: BriefRequest, brief: BriefAnswer) -> bool:
    """Whether a go-around is known to clear what stands beyond the end, from somewhere on the runway."""
    ground = brief.ground
    if ground.go_around_climb_fpm is not None and ground.go_around_climb_fpm <= 0:
        return False
    if request.runway.departure_obstacle is None:
        return True
    return ground.climb_point_ft is not None and ground.climb_point_ft >= 0


def _lap_plan(
    request: BriefRequest,
    plan: Plan,
    brief: BriefAnswer,
    pattern: PatternAnswer | None,
    takeoff: TakeoffAnswer,
    briefs: GoodSpots,
) -> LapPlan:
    """The laps as worked out from time, fuel, light, wind and record."""
    to_go_ft = touch_and_go_ft(request, brief, takeoff)
    on_the_ground_s = _ON_THE_GROUND_S if to_go_ft is not None and to_go_ft >= 0 else _TAXI_BACK_S
    daylight = None
    if plan.airfield is not None and plan.at is not None:
        daylight = daylight_left_min(
            lat_deg=plan.airfield.latitude_deg, lon_deg=plan.airfield.longitude_deg, at=plan.at
        )
    has_glide = request.aircraft.best_glide_kias is not None
    kinds = [
        kind
        for kind in get_args(LandingKind)
        if request.standard.can_plan(kind) and request.aircraft.lands(kind) and (kind != 'power_off' or has_glide)
    ]
    no_lap = _no_lap(request, brief, takeoff)
    wanted = kinds_wanted(
        request.landing,
        crosswind_kt=brief.wind.crosswind_kt,
        gust_spread_kt=request.gust_spread_kt,
        record=plan.lesson.record,
    )
    ranges = {} if no_lap else {kind: briefs.range_ft(kind) for kind in kinds if kind in wanted}
    if not no_lap and not any(ranges.values()):
        ranges = {kind: briefs.range_ft(kind) for kind in kinds}  # then another may take their place
    return make_lap_plan(
        LapPlanTask(
            main=request.landing,
            runway=request.runway.ident,
            spot_ft=request.spot_ft,
            spots_ft={kind: spots for kind, spots in ranges.items() if spots is not None},
            lap_s=_LAP_S if pattern is None else pattern.seconds + on_the_ground_s,
            time=plan.lesson,
            fuel_burn_gph=request.aircraft.fuel_burn_gph,
            daylight_min=daylight,
            crosswind_kt=brief.wind.crosswind_kt,
            gust_spread_kt=request.gust_spread_kt,
            headwind_kt=brief.wind.headwind_kt,
            no_lap=no_lap,
            no_landing=() if no_lap or ranges.get(request.landing) else briefs.problems(request.landing),
            goes_around=_goes_around(request, brief),
        )
    )


def _briefed(lap: PlannedLap, briefs: GoodSpots) -> BriefedLap:
    lands = lap.spot_ft is not None
    kind: LandingKind = lap.kind if lands else 'normal'  # type: ignore[assignment]
    brief = briefs.brief(kind)
    aim_ft = problem = set_ft = None
    if brief is not None and lap.spot_ft is not None:
        aim_ft = lap.spot_ft + brief.aim.recommended_aim_point_ft - brief.aim.spot_ft
        problem = briefs.problem_at(kind, lap.spot_ft)
        set_ft = briefs.set_aim_ft(kind, lap.spot_ft)
        for known_ft in (briefs.held_aim_ft(kind, lap.spot_ft), set_ft):
            aim_ft = aim_ft if known_ft is None else known_ft
    return BriefedLap(
        kind=lap.kind,
        runway=lap.runway,
        spot_ft=lap.spot_ft,
        watch=lap.watch,
        why=lap.why,
        aim_point_ft=aim_ft if problem is None or set_ft is not None else None,
        approach_kias=brief.speed.approach_speed_kias if brief else None,
        go_around_point_ft=brief.ground.go_around_point_ft if brief and lands else None,
        flap=brief.speed.flap if brief else None,
        problem=problem,
    )


def planned_laps(
    request: BriefRequest, plan: Plan, brief: BriefAnswer, pattern: PatternAnswer | None, takeoff: TakeoffAnswer
) -> PlannedLaps:
    """The laps of the lesson, as the instructor ordered them or as worked out, each with its aim and speed."""
    briefs = GoodSpots(request, brief, dict(plan.requests))
    worked_out = _lap_plan(request, plan, brief, pattern, takeoff, briefs)
    laps = worked_out.laps if plan.laps is None else plan.laps
    words = worked_out.words
    if plan.laps is not None:
        words = own_words(len(laps), words)
    return PlannedLaps(
        laps=tuple(_briefed(lap, briefs) for lap in laps),
        lap_s=worked_out.lap_s,
        words=words,
        notes=worked_out.notes,
        is_own=plan.laps is not None,
    )
