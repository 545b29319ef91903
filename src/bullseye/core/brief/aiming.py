"""Where to aim, where the wheels will touch, and how sure that is."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from bullseye.core.basis.constants import (
    BIAS_SD_FT,
    LEAST_WHEELS_FT,
    LOW_WHEELS_FT,
    MODEL_VERSION,
    MOST_SHORT_CHANCE,
    OBSTACLE_MARGIN_FT,
    SCATTER_FT,
)
from bullseye.core.basis.sentence import Caution, Phrasebook, Sentence, feet, share, told_apart
from bullseye.core.brief.conditions import wind_problems
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import LandingSetup, landing_setup
from bullseye.core.given.airfield import Obstacle, in_stripes
from bullseye.core.model import glidepath
from bullseye.core.model.forecast import best_shift_ft, hit_chance, simulate_from_aim_ft
from bullseye.core.model.glidepath import RoundoutCue
from bullseye.core.model.touchdown import (
    Approach,
    Touchdown,
    aim_for,
    aim_for_wheels_ft,
    comes_down,
    predict,
    sensitivity,
    wheels_over_ft,
)

_STEEPEST_PATH_DEG = 7.0  # [own] beyond it no path with power is steady
_BAND = (100 / 6, 500 / 6)  # [own] two landings of three lie in the band that is drawn
_BOOK = Phrasebook(
    'aim',
    short_of_threshold='The aim point lies {short} short of the landing threshold. Choose a spot farther in.',
    wheels_low='On the path to this aim point the wheels pass {wheels} over the start of the pavement; '
    '{least} is the least. {instead}',
    under_pavement='The path to this aim point meets the ground before the pavement begins. {instead}',
    may_be_short='{chance} of the landings would touch before the threshold; {most} is the most we call good. '
    '{instead}',
    never_meets='The runway falls as steeply as the path: it is not reached on this path. Land uphill.',
    wheels_mind='The wheels pass {wheels} over the start of the pavement: not a foot lower.',
    obstacle='On the path to this aim point the wheels pass {margin} {side} the top of the {height} obstacle; '
    '{least} is the least we call good.{steady}',
    no_speed_left='No speed is left to hold off with: the wheels arrive in the roundout. Fly faster.',
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Basis:
    """Where the prediction comes from, and how sure it is."""

    source: Literal['default', 'given', 'laps']
    words: str
    laps: int
    timed_laps: int
    deceleration_fps2: float
    bias_ft: float
    bias_sd_ft: float
    scatter_ft: float
    model_version: str


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
    hit_chance: float
    best_aim_point_ft: float
    best_hit_chance: float
    aim_before_spot_words: str
    roundout_cue: RoundoutCue
    wheels_over_pavement_ft: float  # on the straight path to the aim point, over the start of the pavement
    nearest_good_spot_ft: float  # the first spot whose worked-out aim point is safe


@dataclass(frozen=True, slots=True, kw_only=True)
class TouchdownPart:
    """Roundout, hold-off and touchdown as predicted, from the landing threshold [ft], and what moves them."""

    roundout_start_ft: float
    roundout_height_ft: float
    roundout_ft: float
    hold_off_start_ft: float
    hold_off_height_ft: float
    float_ft: float
    float_s: float
    touchdown_minus_aim_ft: float
    predicted_touchdown_ft: float
    predicted_band_ft: tuple[float, float]
    ft_per_kt_speed: float  # a knot of indicated airspeed
    ft_per_kt_headwind: float
    ft_per_ft_roundout_height: float


def basis_of(request: BriefRequest, approach: Approach) -> Basis:
    """What the prediction rests on."""
    known = request.calibration
    laps = known.laps
    given = any(v is not None for v in (known.deceleration_fps2, known.bias_ft, known.scatter_ft))
    source: Literal['default', 'given', 'laps'] = (
        'laps' if laps or known.timed_laps else 'given' if given else 'default'
    )
    bias_sd_ft = known.bias_sd_ft if known.bias_sd_ft is not None else 0.0 if known.bias_ft is not None else BIAS_SD_FT
    words = {
        'default': 'Our model with default figures; no lap of this pilot is known yet',
        'given': 'Our model with the figures given',
        'laps': f'Our model, learned from {laps} lap{"" if laps == 1 else "s"} of this pilot '
        f'and {known.timed_laps} timed hold-off{"" if known.timed_laps == 1 else "s"} of this aircraft',
    }[source]
    return Basis(
        source=source,
        words=f'{words}: average good to about ±{bias_sd_ft:,.0f} ft.' if bias_sd_ft else f'{words}.',
        laps=laps,
        timed_laps=known.timed_laps,
        deceleration_fps2=approach.deceleration_fps2,
        bias_ft=known.bias_ft or 0.0,
        bias_sd_ft=bias_sd_ft,
        scatter_ft=known.scatter_ft or SCATTER_FT,
        model_version=MODEL_VERSION,
    )


def box_ft(request: BriefRequest) -> tuple[float, float]:
    """The window of the standard around the spot, from the landing threshold [ft]."""
    tolerance = request.standard.tolerance(request.landing)
    return request.spot_ft + tolerance.touchdown_from_ft, request.spot_ft + tolerance.touchdown_to_ft


def target_ft(request: BriefRequest) -> float:
    """Where the touchdown is wanted, from the threshold [ft]: the middle of the box, or its line."""
    low_ft, high_ft = box_ft(request)
    return low_ft if request.technique.aim_target == 'on_the_line' else (low_ft + high_ft) / 2


def _recommended_ft(request: BriefRequest, approach: Approach, minus_aim_ft: float) -> float:
    """Aim point that puts the touchdown on its target, or that the school's rule of thumb gives [ft]."""
    thumb_ft = request.technique.aim_before_spot_ft(headwind_kt=approach.headwind_kt)
    if thumb_ft is not None:
        return request.spot_ft - thumb_ft
    return aim_for(target_ft=target_ft(request), touchdown_minus_aim_ft=minus_aim_ft)


def winds_met_ft(setup: LandingSetup) -> NDArray[np.float64]:
    """Touchdowns from the aim point in the winds that may be met, without the pilot's own share [ft]."""
    return simulate_from_aim_ft(
        setup.approach,
        bias_ft=0.0,
        scatter_ft=0.0,
        gust_headwind_kt=setup.wind.gust_head_kt,
        variable_wind_kt=setup.wind.any_way_kt,
    )


def recommended_aim_ft(request: BriefRequest) -> float:
    """The aim point of a brief alone [ft from the threshold], without what the rest of it takes to work out."""
    setup = landing_setup(request)
    minus_aim_ft = float(winds_met_ft(setup).mean()) + (request.calibration.bias_ft or 0.0)
    return _recommended_ft(request, setup.approach, minus_aim_ft)


def pavement_start_ft(request: BriefRequest) -> float:
    """Where the pavement begins, from the landing threshold [ft]: before it, where a threshold is displaced on it."""
    runway = request.runway
    return -runway.displaced_threshold_ft if runway.has_paint else 0.0


def _nearest_safe_aim_ft(request: BriefRequest, setup: LandingSetup, from_aim_ft: NDArray[np.float64]) -> float:
    """The nearest aim point that may be flown [ft]: wheels, threshold and obstacle."""
    approach = setup.approach
    wheels_ft = aim_for_wheels_ft(approach, wheels_ft=LEAST_WHEELS_FT, at_ft=pavement_start_ft(request))
    beyond_ft = -float(np.quantile(from_aim_ft, MOST_SHORT_CHANCE))
    places = [0.0, wheels_ft, beyond_ft]
    obstacle = request.runway.obstacle
    if obstacle is not None:
        tan = math.tan(math.radians(approach.path_angle_deg))
        needed_ft = (
            obstacle.height_ft + OBSTACLE_MARGIN_FT + approach.eye_height_ft - obstacle.before_threshold_ft * tan
        )
        places.append(needed_ft / max(0.01, tan + approach.slope))
    return max(places)


def aim_and_touchdown(request: BriefRequest, setup: LandingSetup, basis: Basis) -> tuple[AimPart, TouchdownPart]:
    """Where to aim, and where the wheels will touch for it."""
    touch = predict(setup.approach)
    winds_ft = winds_met_ft(setup)
    minus_aim_ft = float(winds_ft.mean()) + basis.bias_ft
    recommended_ft = _recommended_ft(request, setup.approach, minus_aim_ft)
    aim_ft = recommended_ft if request.asked_aim_ft is None else request.asked_aim_ft
    from_aim_ft = simulate_from_aim_ft(
        setup.approach,
        bias_ft=basis.bias_ft,
        scatter_ft=basis.scatter_ft,
        gust_headwind_kt=setup.wind.gust_head_kt,
        variable_wind_kt=setup.wind.any_way_kt,
    )
    landed_ft = aim_ft + from_aim_ft
    low_ft, high_ft = box_ft(request)
    safe_ft = _nearest_safe_aim_ft(request, setup, from_aim_ft)
    shift_ft = max(best_shift_ft(landed_ft, box_from_ft=low_ft, box_to_ft=high_ft), safe_ft - aim_ft)
    problems = _problems(request, setup, aim_ft, touch, landed_ft, safe_ft)
    aim = AimPart(
        spot_ft=request.spot_ft,
        box_ft=(low_ft, high_ft),
        target_ft=target_ft(request),
        aim_point_ft=aim_ft,
        recommended_aim_point_ft=recommended_ft,
        aim_is_good=not problems,
        is_set_by_instructor=aim_ft == request.overrule('aim_point_ft'),
        aim_problems=problems,
        hit_chance=hit_chance(landed_ft, box_from_ft=low_ft, box_to_ft=high_ft),
        best_aim_point_ft=aim_ft + shift_ft,
        best_hit_chance=hit_chance(landed_ft + shift_ft, box_from_ft=low_ft, box_to_ft=high_ft),
        aim_before_spot_words=_before_spot_words(request.spot_ft - aim_ft, request.runway.has_paint),
        roundout_cue=glidepath.roundout_cue(
            runway=request.runway,
            eyes_before_aim_ft=-touch.roundout_start_ft,
            eyes_height_ft=touch.roundout_height_ft + request.aircraft.eye_height_ft,
            blind_distance_ft=request.aircraft.blind_distance_ft,
        ),
        wheels_over_pavement_ft=wheels_over_ft(setup.approach, aim_ft=aim_ft, at_ft=pavement_start_ft(request)),
        nearest_good_spot_ft=request.spot_ft + safe_ft - recommended_ft,
    )
    return aim, _touchdown_part(setup, touch, aim_ft, minus_aim_ft, landed_ft)


def aim_cautions(aim: AimPart) -> list[Caution]:
    """What is to be minded of an aim point that is good."""
    if aim.aim_is_good and aim.wheels_over_pavement_ft < LOW_WHEELS_FT:
        return [Caution('mind', _BOOK.say('wheels_mind', wheels=feet(aim.wheels_over_pavement_ft)))]
    return []


def _touchdown_part(
    setup: LandingSetup, touch: Touchdown, aim_ft: float, minus_aim_ft: float, landed_ft: NDArray[np.float64]
) -> TouchdownPart:
    slopes = sensitivity(setup.approach)
    table = setup.flap.airspeed_table
    knot_kcas = table.calibrated_kt(setup.speed_kias + 0.5) - table.calibrated_kt(setup.speed_kias - 0.5)
    low_ft, high_ft = (float(value) for value in np.percentile(landed_ft, _BAND))
    return TouchdownPart(
        roundout_start_ft=aim_ft + touch.roundout_start_ft,
        roundout_height_ft=touch.roundout_height_ft,
        roundout_ft=touch.roundout_ft,
        hold_off_start_ft=aim_ft + touch.hold_off_start_ft,
        hold_off_height_ft=setup.approach.hold_off_height_ft,
        float_ft=touch.float_ft,
        float_s=touch.float_s,
        touchdown_minus_aim_ft=minus_aim_ft,
        predicted_touchdown_ft=aim_ft + minus_aim_ft,
        predicted_band_ft=(low_ft, high_ft),
        ft_per_kt_speed=slopes.ft_per_kt_speed * knot_kcas / math.sqrt(setup.density_ratio),
        ft_per_kt_headwind=slopes.ft_per_kt_headwind,
        ft_per_ft_roundout_height=slopes.ft_per_ft_roundout_height,
    )


def _steady_angle(aim_ft: float, obstacle: Obstacle, approach: Approach) -> str:
    """The one steady angle over the obstacle to the aim point, where it is one that can be flown."""
    to_top_ft = aim_ft + obstacle.before_threshold_ft
    if to_top_ft <= 0:
        return ''
    up_ft = obstacle.height_ft + OBSTACLE_MARGIN_FT + approach.eye_height_ft - aim_ft * approach.slope
    angle_deg = math.degrees(math.atan2(up_ft, to_top_ft))
    if angle_deg > _STEEPEST_PATH_DEG:
        return ' No steady angle that can be flown clears it: aim farther in, or choose another runway.'
    return f' One steady {angle_deg:.1f}° to this aim point would clear it.'


def _instead(request: BriefRequest, *, aim_ft: float, safe_ft: float) -> str:
    """Which spot would do, in words; where the aim point itself was asked for, which aim point."""
    if request.asked_aim_ft is not None:
        place_ft = math.ceil(safe_ft / 10) * 10
        if place_ft >= request.runway.landing_distance_available_ft:
            return 'No aim point on this runway would do.'
        return f'An aim point at {place_ft:,.0f} ft or farther in would do.'
    spot_ft = max(0, math.ceil((request.spot_ft + safe_ft - aim_ft) / 10) * 10)
    if spot_ft >= request.runway.landing_distance_available_ft:
        return 'No spot on this runway would do.'
    return f'A spot at {spot_ft:,.0f} ft or farther in would do.'


def _problems(
    request: BriefRequest,
    setup: LandingSetup,
    aim_ft: float,
    touch: Touchdown,
    landed_ft: NDArray[np.float64],
    safe_ft: float,
) -> tuple[Sentence, ...]:
    """Why an aim point is not good, gravest first."""
    approach, problems = setup.approach, list(wind_problems(setup))
    instead = _instead(request, aim_ft=aim_ft, safe_ft=safe_ft)
    wheels_ft = wheels_over_ft(approach, aim_ft=aim_ft, at_ft=pavement_start_ft(request))
    short = float(np.mean(landed_ft < 0))
    if not comes_down(approach):
        problems.append(_BOOK.say('never_meets'))
    if wheels_ft <= 0:
        problems.append(_BOOK.say('under_pavement', instead=instead))
    elif wheels_ft < LEAST_WHEELS_FT - 1e-6:
        wheels, least = told_apart(feet(wheels_ft), feet(LEAST_WHEELS_FT))
        problems.append(_BOOK.say('wheels_low', wheels=wheels, least=least, instead=instead))
    if aim_ft < 0:
        problems.append(_BOOK.say('short_of_threshold', short=feet(max(10.0, -aim_ft), step=10.0)))
    if short > MOST_SHORT_CHANCE + 1e-9:
        problems.append(_BOOK.say('may_be_short', chance=share(short), most=share(MOST_SHORT_CHANCE), instead=instead))
    obstacle = request.runway.obstacle
    if obstacle is not None:
        # heights are above the threshold, and the aim point lies on a slope that the path ends on
        eyes_ft = glidepath.height_ft(
            distance_ft=aim_ft + obstacle.before_threshold_ft, path_angle_deg=setup.path_angle_deg
        )
        margin_ft = eyes_ft + aim_ft * approach.slope - approach.eye_height_ft - obstacle.height_ft
        if margin_ft < OBSTACLE_MARGIN_FT - 1e-6:
            margin, least = told_apart(feet(abs(margin_ft)), feet(OBSTACLE_MARGIN_FT))
            problems.append(
                _BOOK.say(
                    'obstacle',
                    margin=margin,
                    side='over' if margin_ft >= 0 else 'below',
                    height=feet(obstacle.height_ft),
                    least=least,
                    steady=_steady_angle(aim_ft, obstacle, approach),
                )
            )
    if approach.speed_ktas - touch.hold_off_ktas > 0 and touch.float_s == 0:
        problems.append(_BOOK.say('no_speed_left'))
    return tuple(problems)


def _before_spot_words(before_ft: float, has_paint: bool) -> str:
    side = 'before' if before_ft >= 0 else 'beyond'
    feet_words = f'{abs(round(before_ft, -1)):,.0f} ft {side} the spot'
    return f'{feet_words}, {in_stripes(before_ft)}' if has_paint else feet_words
