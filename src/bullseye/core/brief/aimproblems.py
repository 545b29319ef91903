"""What forbids an aim, or asks for care with it, and which place would do."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Literal

from bullseye.core.basis.constants import (
    LEAST_WHEELS_FT,
    MOST_SHORT_CHANCE,
    OBSTACLE_MARGIN_FT,
)
from bullseye.core.basis.sentence import (
    Phrasebook,
    Sentence,
    degrees,
    feet,
    joined,
    share,
    told_apart,
)
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import LandingSetup
from bullseye.core.given.airfield import Obstacle, in_stripes
from bullseye.core.model import glidepath
from bullseye.core.model.glidepath import RoundoutCue
from bullseye.core.model.touchdown import (
    Approach,
    Touchdown,
    comes_down,
)

_BOOK = Phrasebook('aim')


_STEEPEST_PATH_DEG = 7.0  # [own] beyond it no path with power is steady


@dataclass(frozen=True, slots=True, kw_only=True)
class AimPart:
    """Spot, box and aim point, from the landing threshold [ft], and the chance to hit."""

    spot_ft: float
    box_ft: tuple[float, float]
    target_ft: float
    aim_point_ft: float
    recommended_aim_point_ft: float
    aim_is_good: bool
    is_set_by_instructor: bool  # with a reason, which stands among the cautions
    aim_problems: tuple[Sentence, ...]
    hit_chance: float  # as this pilot has been flying
    hit_chance_if_briefed: float  # if the briefed speed is flown
    hit_words: Sentence
    best_aim_point_ft: float
    best_hit_chance: float
    aim_before_spot_words: Sentence
    roundout_cue: RoundoutCue
    wheels_over_pavement_ft: float  # on the straight path to the aim point, over the start of the pavement
    nearest_good_spot_ft: float  # the first spot whose worked-out aim point is safe


def box_ft(request: BriefRequest) -> tuple[float, float]:
    """The window of the standard around the spot, from the landing threshold [ft]."""
    low_ft, high_ft = request.tolerance.window_ft
    return request.spot_ft + low_ft, request.spot_ft + high_ft


def target_ft(request: BriefRequest) -> float:
    """Where the touchdown is wanted, from the threshold [ft]: the middle of the box, or its line."""
    low_ft, high_ft = box_ft(request)
    return low_ft if request.technique.aim_target == 'on_the_line' else (low_ft + high_ft) / 2


@dataclass(frozen=True, slots=True, kw_only=True)
class Approached:
    """What is known of the way to an aim point, by which it is judged [ft from the landing threshold]."""

    touch: Touchdown
    short_chance: float  # of touching before the threshold
    nearest_aim_ft: float  # by wheels, threshold and what stands before it


def _steady_angle(aim_ft: float, obstacle: Obstacle, approach: Approach) -> Sentence | None:
    """The one steady angle over the obstacle to the aim point, where it is one that can be flown."""
    to_top_ft = aim_ft + obstacle.before_threshold_ft
    if to_top_ft <= 0:
        return None
    up_ft = obstacle.height_ft + OBSTACLE_MARGIN_FT + approach.eye_height_ft - aim_ft * approach.slope
    angle_deg = math.degrees(math.atan2(up_ft, to_top_ft))
    if angle_deg > _STEEPEST_PATH_DEG:
        return _BOOK.say('no_steady')
    return _BOOK.say('would_clear', angle=degrees(angle_deg, step=0.1))


def problems_of_the_way(
    request: BriefRequest, setup: LandingSetup, aim: AimPart, known: Approached
) -> tuple[Sentence, ...]:
    """Why the way to an aim point is not good: wheels, threshold, obstacle; gravest first."""
    approach, aim_ft, problems = setup.approach, aim.aim_point_ft, []
    wheels_ft = aim.wheels_over_pavement_ft
    if not comes_down(approach):
        problems.append(_BOOK.say('never_meets'))
    if wheels_ft <= 0:
        problems.append(_BOOK.say('under_pavement'))
    elif wheels_ft < LEAST_WHEELS_FT - 1e-6:
        wheels, least = told_apart(feet(wheels_ft), feet(LEAST_WHEELS_FT))
        problems.append(_BOOK.say('wheels_low', wheels=wheels, least=least))
    if aim_ft < 0:
        problems.append(_BOOK.say('short_of_threshold', short=feet(max(10.0, -aim_ft), step=10.0)))
    if known.short_chance > MOST_SHORT_CHANCE + 1e-9:
        chance, most = told_apart(share(known.short_chance), share(MOST_SHORT_CHANCE))
        problems.append(_BOOK.say('may_be_short', chance=chance, most=most))
    obstacle = request.runway.obstacle
    if obstacle is not None:
        # heights are above the threshold, and the aim point lies on a slope that the path ends on
        eyes_ft = glidepath.height_ft(
            distance_ft=aim_ft + obstacle.before_threshold_ft, path_angle_deg=setup.path_angle_deg
        )
        margin_ft = eyes_ft + aim_ft * approach.slope - approach.eye_height_ft - obstacle.height_ft
        if margin_ft < OBSTACLE_MARGIN_FT - 1e-6:
            margin, least = told_apart(feet(abs(margin_ft)), feet(OBSTACLE_MARGIN_FT))
            side, height = 'over' if margin_ft >= 0 else 'below', feet(obstacle.height_ft)
            said = _BOOK.say('obstacle', margin=margin, side=side, height=height, least=least)
            steady = _steady_angle(aim_ft, obstacle, approach)
            problems.append(said if steady is None else joined(said, steady))
    return tuple(problems)


def problems_of_the_speed(setup: LandingSetup, known: Approached) -> list[Sentence]:
    """Why no aim point is good at this speed: nothing is left to hold off with."""
    if setup.approach.speed_ktas - known.touch.hold_off_ktas > 0 and known.touch.float_s == 0:
        return [_BOOK.say('no_speed_left')]
    return []


def place_that_would_do(kind: Literal['aim', 'spot'], place_ft: float | None) -> Sentence:
    """Which aim point or spot would do, in words; None: there is none."""
    if place_ft is None:
        return _BOOK.say(f'no_{kind}_would_do')
    return _BOOK.say(f'{kind}_would_do', place=feet(place_ft))


def before_spot_words(before_ft: float, has_paint: bool) -> Sentence:
    """Where something lies from the spot, in the words of a runway with or without paint."""
    side = 'before' if before_ft >= 0 else 'beyond'
    place = feet(abs(before_ft), step=10.0)
    if not has_paint:
        return _BOOK.say(f'{side}_spot', place=place)
    return _BOOK.say(f'{side}_spot_stripes', place=place, stripes=in_stripes(before_ft))
