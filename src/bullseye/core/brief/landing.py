"""The brief of a landing: wind, speed, aim, touchdown, ground and rollout, each worked out in its own room."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace

from bullseye.core.basis.constants import BELOW_FLAP_LIMIT_KT, LOW_STALL_MARGIN
from bullseye.core.basis.sentence import (
    Caution,
    Phrasebook,
    Quantity,
    Sentence,
    degrees,
    feet,
    gravest_first,
    joined,
    knots,
)
from bullseye.core.basis.unknown import known_or
from bullseye.core.brief.aiming import TouchdownPart, aim_and_touchdown, aim_cautions
from bullseye.core.brief.aimproblems import (
    AimPart,
    Approached,
    place_that_would_do,
    problems_of_the_speed,
    problems_of_the_way,
)
from bullseye.core.brief.basis import Basis, basis_of
from bullseye.core.brief.conditions import (
    WindPart,
    air_cautions,
    alone_cautions,
    rudder_cautions,
    variable_cautions,
    wind_cautions,
    wind_part,
    wind_problems,
)
from bullseye.core.brief.ground import (
    GroundPart,
    box_problems,
    climb_problems,
    ground_part,
    touchdown_cautions,
    touchdown_problems,
)
from bullseye.core.brief.margins import margin_cautions, margin_problems
from bullseye.core.brief.overruled import LANDING_NUMBERS, overrule_cautions
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.rollout import RolloutPart, rollout_part
from bullseye.core.brief.setup import LandingSetup, landing_setup
from bullseye.core.brief.teaching import TeachingPart, teaching_part
from bullseye.core.brief.weather import weather_cautions
from bullseye.core.fly.cards import Card, card_of
from bullseye.core.given.disputes import unsafe_combinations
from bullseye.core.given.overrule import OverruledNumber
from bullseye.core.model import glidepath
from bullseye.core.model.speeds import SpeedStep

_BOOK = Phrasebook('speed')
_OFF_KT = 0.5  # [own] of the speed worked out, worth saying
_WINDY_KT = 3.0  # [own] of headwind, in which knots are added that should not be
_SLOW_HABIT_KT = 2.0  # [own] of mean speed below the briefed, worth a warning
# [own] a path, a descent and a roundout steeper, faster and higher than of a usual glide
_STEEP_DEG, _STEEP_FPM, _STEEP_ROUNDOUT_FT = 9.0, 900.0, 25.0
LEAST_LULL_KT = 8.0  # [own] over the stalling speed when a gust falls away


@dataclass(frozen=True, slots=True, kw_only=True)
class SpeedPart:
    """Flap and speeds of the approach; indicated where the name says so."""

    flap: str
    approach_speed_kias: float
    approach_speed_steps: tuple[SpeedStep, ...]
    recommended_speed_kias: float
    approach_speed_ktas: float
    approach_groundspeed_kt: float | None  # None: nobody has given the wind
    descent_rate_fpm: float | None
    touchdown_speed_kias: float
    path_angle_deg: float
    stall_speed_kias: float  # at this weight and flap, wings level
    stall_margin_kt: float  # of the approach speed over it


@dataclass(frozen=True, slots=True, kw_only=True)
class BriefAnswer:
    """One landing, briefed in seven parts. Places are feet from the landing threshold; None is unknown."""

    wind: WindPart
    speed: SpeedPart
    aim: AimPart
    touchdown: TouchdownPart
    ground: GroundPart
    rollout: RolloutPart
    basis: Basis
    teaching: TeachingPart
    card: Card
    cautions: tuple[Caution, ...]  # gravest first
    training_aid: Sentence


def _stall_kias(setup: LandingSetup) -> float:
    return setup.flap.airspeed_table.indicated_kt(setup.stall_kcas)


def _speed_part(setup: LandingSetup) -> SpeedPart:
    approach = setup.approach
    ground_kt = approach.speed_ktas - approach.headwind_kt
    stall_kias = _stall_kias(setup)
    return SpeedPart(
        flap=setup.flap.name,
        approach_speed_kias=setup.speed_kias,
        approach_speed_steps=setup.speed_steps,
        recommended_speed_kias=setup.recommended_kias,
        approach_speed_ktas=approach.speed_ktas,
        approach_groundspeed_kt=None if setup.wind is None else ground_kt,
        descent_rate_fpm=None
        if setup.wind is None
        else glidepath.descent_rate_fpm(groundspeed_kt=max(0.0, ground_kt), path_angle_deg=setup.path_angle_deg),
        touchdown_speed_kias=setup.flap.airspeed_table.indicated_kt(setup.touchdown_kcas),
        path_angle_deg=setup.path_angle_deg,
        stall_speed_kias=stall_kias,
        stall_margin_kt=setup.speed_kias - stall_kias,
    )


def _speed_cautions(request: BriefRequest, setup: LandingSetup) -> list[Caution]:
    """What a speed warns of that is not the one worked out, or that leaves little margin."""
    said = []
    extra_kt = setup.speed_kias - setup.recommended_kias
    head_kt = None if setup.wind is None else setup.wind.head_kt
    if extra_kt > _OFF_KT and head_kt is not None and head_kt > _WINDY_KT:
        said.append(Caution('mind', _BOOK.say('steady_adds_nothing', extra=knots(extra_kt))))
    elif extra_kt > _OFF_KT:
        said.append(Caution('mind', _BOOK.say('fast', extra=knots(extra_kt))))
    elif extra_kt < -_OFF_KT:
        said.append(Caution('mind', _BOOK.say('slow', short=knots(-extra_kt))))
    margin_kt, spread_kt = setup.speed_kias - _stall_kias(setup), request.gust_spread_kt
    stall_kcas = setup.stall_kcas
    if setup.flap.airspeed_table.calibrated_kt(setup.speed_kias) < LOW_STALL_MARGIN * stall_kcas - 1e-6:
        said.append(Caution('mind', _BOOK.say('margin', margin=knots(margin_kt))))
    if spread_kt > 0 and margin_kt - spread_kt < LEAST_LULL_KT:
        said.append(Caution('mind', _BOOK.say('lull', margin=knots(max(0.0, margin_kt - spread_kt)))))
    habit_kt = known_or(request.calibration.speed_habit_kt, 0.0)
    if habit_kt < -_SLOW_HABIT_KT:
        left_kt = knots(max(0.0, margin_kt + habit_kt))
        said.append(Caution('mind', _BOOK.say('slow_habit', slower=knots(-habit_kt), margin=left_kt)))
    limit_kias = setup.flap.limit_kias
    if limit_kias is not None and setup.speed_kias > limit_kias - BELOW_FLAP_LIMIT_KT:
        near = _BOOK.say(
            'flap_limit',
            speed=knots(setup.speed_kias),
            near=knots(BELOW_FLAP_LIMIT_KT),
            limit=knots(limit_kias),
        )
        said.append(Caution('stop' if setup.speed_kias > limit_kias else 'mind', near))
    gear_kias = request.aircraft.particulars.gear_limit_kias if request.aircraft.is_retractable else None
    if gear_kias is not None and setup.speed_kias > gear_kias:
        over = _BOOK.say('gear_limit', speed=knots(setup.speed_kias), limit=knots(gear_kias))
        said.append(Caution('stop', over))
    if request.landing == 'wheel_landing' and request.surface_state in ('soft', 'long_grass', 'snow_or_ice'):
        said.append(Caution('stop', _BOOK.say('wheels_on_soft')))
    return said


@dataclass(frozen=True, slots=True, kw_only=True)
class _Judged:
    """Why an aim point is not good: by where it lies, and whatever it is; and what is to be minded of it."""

    of_place: tuple[Sentence, ...]
    of_all: tuple[Sentence, ...]
    mind: tuple[Caution, ...]

    @property
    def problems(self) -> tuple[Sentence, ...]:
        """All of them, each once."""
        return tuple(dict.fromkeys((*self.of_all, *self.of_place)))


def _judged(
    request: BriefRequest,
    setup: LandingSetup,
    aim: AimPart,
    touchdown: TouchdownPart,
    ground: GroundPart,
    way: Approached,
    today: list[Caution],
) -> _Judged:
    """Judge an aim point by all that must hold of it. No aim is good in a wind, weather or speed not to be flown."""
    beyond, mind = box_problems(request, ground, aim.box_ft[1])
    stops = [one.words for one in today if one.severity == 'stop']
    mind = [*aim_cautions(aim), *mind, *margin_cautions(ground.landing_margin)]
    return _Judged(
        of_place=(
            *problems_of_the_way(request, setup, aim, way),
            *beyond,
            *touchdown_problems(ground, touchdown),
            *margin_problems(ground.landing_margin),
        ),
        of_all=(*wind_problems(request, setup), *problems_of_the_speed(setup, way), *climb_problems(ground), *stops),
        mind=(*mind, *touchdown_cautions(ground, touchdown, aim.box_ft)),
    )


_PLACES_FT = 10.0  # [own] to which a place that would do is told


def _place_that_would_do(request: BriefRequest, aim: AimPart, way: Approached) -> Sentence:
    """Which aim point would do where one was asked for, else which spot; each tried before it is named."""
    asked = request.asked_aim_ft is not None
    moved_ft = way.nearest_aim_ft - aim.aim_point_ft
    from_ft = way.nearest_aim_ft if asked else request.spot_ft + moved_ft
    nearest_ft = max(0.0, math.ceil(from_ft / _PLACES_FT - 1e-9) * _PLACES_FT)
    here_ft = aim.aim_point_ft if asked else request.spot_ft
    last_ft = request.runway.landing_distance_available_ft - 1.0
    # the first place that is safe, the lesson's own place moved in, and what lies between
    tried = {nearest_ft, nearest_ft + _PLACES_FT}
    if nearest_ft <= here_ft:
        tried |= {
            round((nearest_ft + (here_ft - nearest_ft) * share / 4) / _PLACES_FT) * _PLACES_FT for share in (1, 2, 3)
        }
    kept = tuple(one for one in request.overruled if one.number != 'aim_point_ft')
    for place_ft in sorted(tried, reverse=nearest_ft <= here_ft):
        if not 0 <= place_ft <= last_ft:
            continue
        there = (
            replace(request, aim_point_ft=place_ft, overruled=kept) if asked else request.elsewhere(spot_ft=place_ft)
        )
        if make_brief(there, is_tried=True).aim.aim_is_good:
            return place_that_would_do('aim' if asked else 'spot', place_ft)
    return place_that_would_do('aim' if asked else 'spot', None)


def _steep_cautions(setup: LandingSetup, speed: SpeedPart, way: Approached) -> list[Caution]:
    """What a path warns of that comes down faster than a light aircraft is used to."""
    height_ft = way.touch.roundout_height_ft
    down_fpm = speed.descent_rate_fpm
    if down_fpm is None:
        return []
    if setup.path_angle_deg < _STEEP_DEG and down_fpm < _STEEP_FPM and height_ft < _STEEP_ROUNDOUT_FT:
        return []
    descent = Quantity(down_fpm, 'fpm', 10.0)
    angle = degrees(setup.path_angle_deg)
    return [Caution('mind', _BOOK.say('steep', angle=angle, descent=descent, height=feet(height_ft)))]


def make_brief(request: BriefRequest, *, is_tried: bool = False) -> BriefAnswer:
    """Work out one landing.

    Everything that can be computed is; what cannot is None and has its reason among the cautions.

    :param is_tried: of a place that is only tried: no other is looked for
    """
    setup = landing_setup(request)
    basis = basis_of(request, setup.approach)
    wind = wind_part(request, setup)
    aim, touchdown, way = aim_and_touchdown(request, setup, basis)
    speed = _speed_part(setup)
    ground, unknown = ground_part(request, setup, touchdown, box_to_ft=aim.box_ft[1])
    today = [
        *alone_cautions(request),
        *variable_cautions(setup, wind),
        *wind_cautions(request, setup),
        *weather_cautions(request),
        *air_cautions(request, wind),
        *_speed_cautions(request, setup),
        *_steep_cautions(setup, speed, way),
    ]
    judged = _judged(request, setup, aim, touchdown, ground, way, today)
    problems = judged.problems
    if judged.of_place and not judged.of_all and not is_tried:
        instead = _place_that_would_do(request, aim, way)
        problems = (joined(problems[0], instead), *problems[1:])
    aim = replace(aim, aim_is_good=not problems, aim_problems=problems)
    worked_out: dict[OverruledNumber, float | None] = {
        'approach_speed_kias': setup.recommended_kias,
        'aim_point_ft': aim.recommended_aim_point_ft,
        'landing_roll_ft': None if ground.ground_roll is None else ground.ground_roll.factored_ft,
        'go_around_point_ft': ground.nearest_point_ft,
    }
    choices = unsafe_combinations(request.technique, request.aircraft)
    cautions = [
        *(Caution('stop', problem) for problem in aim.aim_problems),
        *today,
        *unknown,
        *judged.mind,
        *(Caution('mind', _BOOK.say('combination', words=words)) for words in choices),
        *rudder_cautions(wind),
        *overrule_cautions(request, LANDING_NUMBERS, worked_out),
    ]
    return BriefAnswer(
        wind=wind,
        speed=speed,
        aim=aim,
        touchdown=touchdown,
        ground=ground,
        rollout=rollout_part(request, setup, aim, touchdown, ground),
        basis=basis,
        teaching=teaching_part(request, setup, basis),
        card=card_of(request.landing, request.technique, request.aircraft, flap=setup.flap),
        cautions=gravest_first(cautions),
        training_aid=_BOOK.say('training_aid'),
    )
