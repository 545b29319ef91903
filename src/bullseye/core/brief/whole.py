"""Everything that is decided before the engine starts: runway, takeoff, pattern, landing, power-off reach."""

from __future__ import annotations

import math
from dataclasses import dataclass, field, replace
from datetime import datetime
from typing import get_args

from bullseye.core.air.sun import Sun, daylight_left_min, sun_at
from bullseye.core.air.turns import GroundWind
from bullseye.core.basis.constants import PATTERN_HEIGHT_FT
from bullseye.core.basis.kinds import LandingKind, TakeoffKind
from bullseye.core.basis.sentence import (
    Caution,
    Phrasebook,
    Quantity,
    Sentence,
    Severity,
    gravest_first,
    knots,
    lacking,
)
from bullseye.core.basis.unknown import known_or
from bullseye.core.brief.aiming import basis_of, reached
from bullseye.core.brief.conditions import air_cautions, stops_of_wind, wind_cautions, wind_part
from bullseye.core.brief.goodspots import GoodSpots, bounds_ft, reached_by
from bullseye.core.brief.ground import ground_part
from bullseye.core.brief.landing import BriefAnswer, make_brief
from bullseye.core.brief.lapplan import (
    BriefedLap,
    LapPlan,
    LapPlanTask,
    LessonTime,
    PlannedLap,
    kinds_wanted,
    make_lap_plan,
    own_words,
)
from bullseye.core.brief.margins import (
    moved_margin_ft,
    touch_and_go_cautions,
    touch_and_go_margin_ft,
    touch_and_go_words,
)
from bullseye.core.brief.overruled import PATTERN_NUMBERS, TAKEOFF_NUMBERS, overrule_cautions
from bullseye.core.brief.ranking import Candidate, RankedEnd, rank_ends
from bullseye.core.brief.request import BriefRequest, Weather
from bullseye.core.brief.setup import LandingSetup, landing_setup
from bullseye.core.brief.weather import hazard_cautions, weather_cautions
from bullseye.core.fly.flows import flows_of
from bullseye.core.fly.pattern import (
    Climb,
    NoPattern,
    PatternAnswer,
    PatternChoice,
    PatternTask,
    brief_pattern,
    pattern_wind,
)
from bullseye.core.fly.poweroff import GlideTask, NoGlide, PowerOffAnswer, brief_power_off
from bullseye.core.fly.radio import RadioCall, radio_calls
from bullseye.core.fly.takeoff import AsSet, TakeoffAnswer, TakeoffTask, brief_takeoff
from bullseye.core.fly.traffic import WAKE_WAITS, WAKE_WORDS, WakeWait, parallel_words
from bullseye.core.given.aircraft import Flow
from bullseye.core.given.airfield import Airfield, MarkUse, RunwayEnd
from bullseye.core.given.overrule import OverruledNumber

_LAP_S = 360.0  # [com] five to seven minutes a lap, where no pattern could be worked out
_BOOK = Phrasebook('whole')
_ON_THE_GROUND_S = 45.0  # [own] of a touch-and-go, from the wheels down to the next roll
_TAXI_BACK_S = 240.0  # [own] of a full stop, from the wheels down over the taxi back to the next roll


@dataclass(frozen=True, slots=True, kw_only=True)
class PlacedMark:
    """A ground mark in the runway frame."""

    name: str
    use: MarkUse
    along_ft: float
    lateral_ft: float


@dataclass(frozen=True, slots=True, kw_only=True)
class PlannedLaps:
    """The laps of the lesson, each briefed."""

    laps: tuple[BriefedLap, ...]
    lap_s: float
    words: Sentence
    notes: tuple[Sentence, ...]
    is_own: bool  # ordered by the instructor, not as worked out


@dataclass(frozen=True, slots=True, kw_only=True)
class Plan:
    """What the whole brief is asked with, beside the landing."""

    takeoff: TakeoffKind = 'normal'
    pattern: PatternChoice = field(default_factory=PatternChoice)
    airfield: Airfield | None = None
    at: datetime | None = None  # with a zone; for the sun
    is_northern: bool = True
    lesson: LessonTime = field(default_factory=LessonTime)
    field_name: str | None = None
    callsign: str | None = None
    marks: tuple[PlacedMark, ...] = ()
    laps: tuple[PlannedLap, ...] | None = None  # as the instructor ordered them; None: as worked out
    # the lesson's landing in each kind, with what the pilot's laps teach of it; of one left out its own teach
    requests: tuple[tuple[LandingKind, BriefRequest], ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Parts:
    """The parts of a whole brief beside the landing; None where one cannot be worked out, and why among the notes."""

    runway_ranking: tuple[RankedEnd, ...]
    takeoff: TakeoffAnswer
    pattern: PatternAnswer | None
    power_off: PowerOffAnswer | None
    lap_plan: PlannedLaps
    radio: tuple[RadioCall, ...]
    wake: tuple[WakeWait, ...]
    wake_words: str
    marks: tuple[PlacedMark, ...]
    flows: tuple[Flow, ...]
    sun: Sun | None
    touch_and_go_margin_ft: float | None  # below 0: full stop only
    touch_and_go_words: Sentence
    night: Caution | None  # when the lesson is flown in the dark, or ends in it
    notes: tuple[Caution, ...]


def pattern_altitude_ft(request: BriefRequest, plan: Plan) -> float:
    """Pattern altitude above sea level: as chosen, else the field's own, else the usual one [ft]."""
    if plan.pattern.altitude_ft is not None:
        return plan.pattern.altitude_ft
    if plan.airfield is not None and plan.airfield.pattern_altitude_ft is not None:
        return plan.airfield.pattern_altitude_ft
    return request.runway.elevation_ft + PATTERN_HEIGHT_FT


def today_cautions(request: BriefRequest, setup: LandingSetup) -> list[Caution]:
    """What wind, weather and air of the day warn of, on every screen alike."""
    wind = wind_part(request, setup)
    return [*wind_cautions(request, setup), *weather_cautions(request), *air_cautions(request, wind)]


def _stops_today(request: BriefRequest, setup: LandingSetup) -> list[Caution]:
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


def ranking_of(request: BriefRequest, plan: Plan, brief: BriefAnswer | None = None) -> tuple[RankedEnd, ...]:
    """All ends of the field ranked for this wind, aircraft and time; the end of the request alone without a field.

    :param brief: of the request, where its runway is chosen: its margin is the one that the landing itself shows
    """
    airfield = plan.airfield
    sun = None
    if airfield is not None and plan.at is not None:
        sun = sun_at(lat_deg=airfield.latitude_deg, lon_deg=airfield.longitude_deg, at=plan.at)
    wind = request.wind
    # one wind for all ends, whatever variation each prints
    from_deg_true = None if wind is None else wind.direction_deg_true
    weather = replace(request.weather, wind_dir_deg_mag=None, wind_dir_deg_true=from_deg_true)
    return rank_ends(
        [
            _candidate(_at_end(request, end, weather), plan, sun, brief=brief if end == request.runway else None)
            for end in (airfield.ends if airfield else (request.runway,))
        ]
    )


def _at_end(request: BriefRequest, end: RunwayEnd, weather: Weather) -> BriefRequest:
    """The same landing at another end of the field; what the instructor set holds for the end it was set for."""
    if end == request.runway:
        return request
    spot_ft = min(request.spot_ft, end.landing_distance_available_ft / 2)
    return replace(request, runway=end, weather=weather, spot_ft=spot_ft, aim_point_ft=None, overruled=())


def _candidate(there: BriefRequest, plan: Plan, sun: Sun | None, *, brief: BriefAnswer | None) -> Candidate:
    """What is known of an end: of the one that was chosen as it is briefed, of another as it would be."""
    setup = landing_setup(there)
    takeoff = takeoff_of(there, plan, setup)
    if brief is not None and there.asked_aim_ft is None:
        where, ground = reached_by(brief), brief.ground
    else:
        where = reached(there, setup, basis_of(there, setup.approach))
        ground, _ = ground_part(there, setup, where, box_to_ft=where.box_to_ft)
    nearest_ft, farthest_ft = bounds_ft(where, ground)
    has_good_spot, moved_ft = nearest_ft <= farthest_ft, max(0.0, nearest_ft - where.spot_ft)
    if brief is not None:
        ground, moved_ft = brief.ground, 0.0
    must_clear = there.runway.departure_obstacle is not None
    climb_fpm = ground.go_around_climb_fpm
    return Candidate(
        runway=there.runway,
        wind=setup.wind,
        over=stops_of_wind(there, setup),
        takeoff_margin_ft=takeoff.over_50_margin_ft,
        landing_margin_ft=moved_margin_ft(ground.landing_margin, moved_ft),
        sun=sun,
        weather_stops=tuple(one.words for one in hazard_cautions(there) if one.severity == 'stop'),
        clears_obstacle=takeoff.clears_obstacle if must_clear else True,
        climbs_away=(None if must_clear else True) if climb_fpm is None else climb_fpm > 0,
        has_good_spot=has_good_spot,
    )


def touch_and_go_ft(request: BriefRequest, brief: BriefAnswer, takeoff: TakeoffAnswer) -> float | None:
    """Runway left at 50 ft after a touch-and-go from the landing as briefed [ft]; None is unknown."""
    setup = landing_setup(request)
    if setup.wind is None:
        return None
    return touch_and_go_margin_ft(
        brief.touchdown,
        available_ft=request.runway.landing_distance_available_ft,
        touchdown_ground_kt=setup.approach.touchdown_ktas - setup.wind.sure_headwind_kt,
        takeoff_over_50_ft=takeoff.over_50_ft_ft,
    )


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


def _sun(plan: Plan) -> Sun | None:
    if plan.airfield is None or plan.at is None:
        return None
    return sun_at(lat_deg=plan.airfield.latitude_deg, lon_deg=plan.airfield.longitude_deg, at=plan.at)


# [own]
_NIGHT_DEG = -6.0  # of the sun: the end of civil twilight
_SET_DEG = -0.833
_NIGHT_RESERVE_MIN = 45  # [pub: 14 CFR 91.151, value from memory]


def _night_notes(plan: Plan, sun: Sun | None) -> list[Caution]:
    """What the dark asks for, when the lesson is flown in it or ends in it."""
    if sun is None or plan.airfield is None or plan.at is None:
        return []
    if sun.elevation_deg < _NIGHT_DEG:
        when = _BOOK.say('is_night')
    elif sun.elevation_deg < _SET_DEG:
        when = _BOOK.say('is_twilight')
    else:
        left_min = daylight_left_min(
            lat_deg=plan.airfield.latitude_deg, lon_deg=plan.airfield.longitude_deg, at=plan.at
        )
        if left_min is None or left_min > plan.lesson.booked_min:
            return []
        when = _BOOK.say('sun_sets', left=Quantity(left_min, 'min'))
    return [Caution('mind', _BOOK.say('night', when=when, reserve=Quantity(_NIGHT_RESERVE_MIN, 'min')))]


def _no_lap(request: BriefRequest, brief: BriefAnswer, takeoff: TakeoffAnswer) -> tuple[Sentence, ...]:
    """Why no lap is flown at all: a wind that is not to be flown in, or a takeoff not known to fit."""
    said = [caution.words for caution in _stops_today(request, landing_setup(request))]
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


def _pattern_as_set(request: BriefRequest, task: PatternTask) -> PatternAnswer:
    """The pattern, with what the instructor set of it said first."""
    answer = brief_pattern(task)
    answer = replace(answer, cautions=gravest_first((*_stops_today(request, landing_setup(request)), *answer.cautions)))
    if task.downwind_kias is None and task.base_kias is None:
        return answer
    ladder = request.aircraft.ladder
    root = math.sqrt(request.aircraft.weight_ratio(request.weight_lb))
    worked_out: dict[OverruledNumber, float | None] = {}
    if ladder is not None:
        worked_out = {'downwind_kias': ladder.downwind.kias, 'base_kias': ladder.base.kias * root}
    said = overrule_cautions(request, frozenset({'downwind_kias', 'base_kias'}), worked_out)
    return replace(answer, cautions=gravest_first((*said, *answer.cautions)))


def _glide_as_set(request: BriefRequest, task: GlideTask) -> PowerOffAnswer:
    """The power-off 180, likewise; one that cannot be worked out unset has nothing to compare with."""
    if not request.weather.is_known:
        raise NoGlide(_BOOK.say('no_wind'))
    answer = brief_power_off(task)
    answer = replace(answer, cautions=gravest_first((*_stops_today(request, landing_setup(request)), *answer.cautions)))
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


def make_parts(request: BriefRequest, plan: Plan, brief: BriefAnswer | None = None) -> Parts:
    """Work out everything beside the landing itself; no part that fails takes another with it."""
    setup = landing_setup(request)
    brief = brief or make_brief(request)
    takeoff = takeoff_of(request, plan, setup)
    notes: list[Caution] = []
    pattern: PatternAnswer | None = None
    power_off: PowerOffAnswer | None = None
    task = pattern_task(request, plan, setup, brief, takeoff)
    try:
        pattern = _pattern_as_set(request, task)
    except NoPattern as error:
        notes.append(Caution('mind', _BOOK.say('no_pattern', why=error.reason)))
    try:
        power_off = _glide_as_set(request, glide_task(request, task))
    except (NoGlide, NoPattern) as error:
        severity: Severity = 'stop' if request.landing == 'power_off' else 'know'
        notes.append(Caution(severity, _BOOK.say('no_reach', why=error.reason)))
    side = pattern.side if pattern else plan.pattern.side or request.runway.pattern_side
    if plan.airfield is not None:
        idents = tuple(end.ident for end in plan.airfield.ends)
        parallel = parallel_words(ident=request.runway.ident, others=idents, side=side)
        if parallel is not None:
            notes.append(Caution('mind', parallel))
    night = _night_notes(plan, _sun(plan))
    takeoff = replace(takeoff, cautions=gravest_first((*takeoff.cautions, *night)))
    notes += night
    to_go_ft = touch_and_go_ft(request, brief, takeoff)
    notes += touch_and_go_cautions(to_go_ft, takeoff.over_50_ft_ft)
    extended = pattern is not None and pattern.number_two is not None
    return Parts(
        runway_ranking=ranking_of(request, plan, brief),
        takeoff=takeoff,
        pattern=pattern,
        power_off=power_off,
        lap_plan=planned_laps(request, plan, brief, pattern, takeoff),
        radio=radio_calls(
            field=plan.field_name or (plan.airfield.ident if plan.airfield else 'This field'),
            callsign=plan.callsign or request.aircraft.callsign or request.aircraft.name,
            runway=request.runway.ident,
            side=side,
            intention=request.landing,
            extended=extended,
        ),
        wake=WAKE_WAITS,
        wake_words=WAKE_WORDS,
        marks=plan.marks,
        flows=flows_of(request.aircraft),
        sun=_sun(plan),
        touch_and_go_margin_ft=to_go_ft,
        touch_and_go_words=touch_and_go_words(to_go_ft),
        night=next(iter(night), None),
        notes=gravest_first(notes),
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class WholeBrief:
    """A landing brief with all its other parts."""

    landing: BriefAnswer
    runway: str
    weather_warnings: tuple[str, ...]
    runway_ranking: tuple[RankedEnd, ...]
    takeoff: TakeoffAnswer
    pattern: PatternAnswer | None
    power_off: PowerOffAnswer | None
    lap_plan: tuple[BriefedLap, ...]
    lap_plan_words: Sentence
    lap_plan_notes: tuple[Sentence, ...]
    radio: tuple[RadioCall, ...]
    wake: tuple[WakeWait, ...]
    touch_and_go_margin_ft: float | None
    notes: tuple[Caution, ...]


def make_whole_brief(request: BriefRequest, plan: Plan, *, weather_warnings: tuple[str, ...] = ()) -> WholeBrief:
    """Work out one lesson's brief.

    :param weather_warnings: what is to be said of the report that the weather comes from
    """
    brief = make_brief(request)
    parts = make_parts(request, plan, brief)
    return WholeBrief(
        landing=brief,
        runway=request.runway.ident,
        weather_warnings=weather_warnings,
        runway_ranking=parts.runway_ranking,
        takeoff=parts.takeoff,
        pattern=parts.pattern,
        power_off=parts.power_off,
        lap_plan=parts.lap_plan.laps,
        lap_plan_words=parts.lap_plan.words,
        lap_plan_notes=parts.lap_plan.notes,
        radio=parts.radio,
        wake=parts.wake,
        touch_and_go_margin_ft=parts.touch_and_go_margin_ft,
        notes=parts.notes,
    )
