"""Where to aim, where the wheels will touch, and how sure that is."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from bullseye.core.basis.constants import (
    DECELERATION_SD_FPS2,
    LEAST_WHEELS_FT,
    LOW_WHEELS_FT,
    MOST_FAR_CHANCE,
    MOST_SHORT_CHANCE,
    OBSTACLE_MARGIN_FT,
    SCATTER_SPREAD,
    SPEED_SCATTER_SPREAD,
)
from bullseye.core.basis.sentence import (
    Caution,
    Phrasebook,
    Sentence,
    count,
    feet,
    knots,
)
from bullseye.core.basis.unknown import known_or
from bullseye.core.brief.aimproblems import AimPart, Approached, before_spot_words, box_ft, target_ft
from bullseye.core.brief.basis import Basis, basis_of
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import LandingSetup, landing_setup
from bullseye.core.model import glidepath
from bullseye.core.model.forecast import (
    SAMPLES,
    PilotForecast,
    best_shift_ft,
    hit_chance,
    simulate_from_aim_ft,
    simulate_pilot_ft,
)
from bullseye.core.model.touchdown import (
    Approach,
    Touchdown,
    aim_for,
    aim_for_wheels_ft,
    predict,
    sensitivity,
    wheels_over_ft,
)

_ENOUGH = 2_000  # [own] landings, for how many of them are short
_BAND = (100 / 6, 500 / 6)  # [own] two landings of three lie in the band that is drawn
_BOOK = Phrasebook('aim')


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
    predicted_touchdown_ft: float  # at the briefed speed, with the pilot's bias
    predicted_lately_ft: float  # as this pilot has been flying, which the band is of
    predicted_band_ft: tuple[float, float]
    touchdown_95_ft: float  # nearer the threshold than this 19 of 20 touch, as lately or as briefed, the farther
    ft_per_kt_speed: float  # a knot of indicated airspeed
    ft_per_kt_headwind: float
    ft_per_ft_roundout_height: float


def _recommended_ft(request: BriefRequest, approach: Approach, minus_aim_ft: float) -> float:
    """Aim point that puts the touchdown on its target, or that the school's rule of thumb gives [ft]."""
    thumb_ft = request.technique.aim_before_spot_ft(headwind_kt=approach.headwind_kt)
    if thumb_ft is not None:
        return request.spot_ft - thumb_ft
    return aim_for(target_ft=target_ft(request), touchdown_minus_aim_ft=minus_aim_ft)


def winds_met_ft(setup: LandingSetup, *, faster_kt: float = 0.0) -> NDArray[np.float64]:
    """Touchdowns from the aim point in the winds that may be met, without the pilot's own share [ft]."""
    approach = setup.approach
    return simulate_from_aim_ft(
        replace(approach, speed_ktas=max(1.0, approach.speed_ktas + faster_kt)) if faster_kt else approach,
        bias_ft=0.0,
        scatter_ft=0.0,
        gust_headwind_kt=setup.assumed_wind.gust_head_kt,
        variable_wind_kt=setup.assumed_wind.any_way_kt,
        swinging_heads_kt=setup.assumed_wind.swinging_heads_kt,
        gust_over_steady=setup.assumed_wind.gust_over_steady,
    )


def recommended_aim_ft(request: BriefRequest) -> float:
    """The aim point of a brief alone [ft from the threshold], without what the rest of it takes to work out."""
    setup = landing_setup(request)
    return _recommended(request, setup, basis_of(request, setup.approach))[0]


def pilot_forecast(request: BriefRequest, setup: LandingSetup, basis: Basis) -> PilotForecast:
    """What is believed of the pilot's touchdowns, with the deceleration's share of the doubt."""
    known, approach = request.calibration, setup.approach
    a_sd = known.deceleration_sd_fps2
    if a_sd is None:
        a_sd = DECELERATION_SD_FPS2 if known.deceleration_fps2 is None else 0.0
    around = [replace(approach, deceleration_fps2=approach.deceleration_fps2 + step) for step in (0.05, -0.05)]
    per_fps2 = (predict(around[0]).touchdown_ft - predict(around[1]).touchdown_ft) / 0.1
    a_ft, b_ft = per_fps2 * a_sd, basis.bias_sd_ft
    bias_sd_ft = math.sqrt(max(0.0, a_ft**2 + b_ft**2 + 2 * known_or(known.deceleration_bias_corr, 0.0) * a_ft * b_ft))
    with_habit_ft = known_or(known.deceleration_habit_corr, 0.0) * a_ft + known_or(known.bias_habit_corr, 0.0) * b_ft
    usual_spread = SCATTER_SPREAD if known.scatter_ft is None else 0.0
    return PilotForecast(
        bias_ft=basis.bias_ft,
        bias_sd_ft=bias_sd_ft,
        scatter_ft=basis.scatter_ft,
        habit_kt=basis.speed_habit_kt,
        habit_sd_kt=basis.speed_habit_sd_kt,
        speed_scatter_kt=basis.speed_scatter_kt,
        scatter_spread=known_or(known.scatter_spread, usual_spread),
        speed_scatter_spread=known_or(
            known.speed_scatter_spread, SPEED_SCATTER_SPREAD if known.speed_scatter_kt is None else 0.0
        ),
        speed_effect=known_or(known.speed_effect, 1.0),
        doubt_with_scatter=known_or(known.doubt_with_scatter, 0.0),
        scatters_together=known_or(known.scatters_corr, 0.0),
        together=min(1.0, max(-1.0, with_habit_ft / bias_sd_ft)) if bias_sd_ft else 0.0,
    )


def _recommended(request: BriefRequest, setup: LandingSetup, basis: Basis) -> tuple[float, float, float]:
    """The aim point worked out, and touchdown less aim point at the briefed speed and as flown lately [ft].

    By the school that follows the habit the aim is for the speed that is flown, as far as the briefed speed too would
    touch beyond the threshold; else for the briefed one.
    """
    briefed_ft = float(winds_met_ft(setup).mean()) + basis.bias_ft
    habit_kt = basis.speed_habit_kt
    lately_ft = briefed_ft
    if habit_kt:
        faster_ft = float(winds_met_ft(setup, faster_kt=habit_kt).mean()) + basis.bias_ft - briefed_ft
        lately_ft += known_or(request.calibration.speed_effect, 1.0) * faster_ft
    aim_ft = _recommended_ft(request, setup.approach, briefed_ft)
    if request.technique.aim_speed == 'habit' and request.technique.aim_distance == 'calibrated':
        follows_ft = _recommended_ft(request, setup.approach, lately_ft)
        nearer_ft = _nearer_ft(setup, pilot_forecast(request, setup, basis))
        least_ft = -float(np.quantile(nearer_ft, MOST_SHORT_CHANCE))
        aim_ft = max(follows_ft, min(aim_ft, least_ft))
    return aim_ft, briefed_ft, lately_ft


def _usual_landings_ft(setup: LandingSetup, pilot: PilotForecast) -> list[NDArray[np.float64]]:
    """Touchdowns as flown lately and at the briefed speed, for what may be short or too far [ft from the aim point].

    By the scatters as they are expected to be, in the mean: the whole doubt of them widens the forecast, and would
    forbid a first lesson every spot.
    """
    usual = replace(
        pilot,
        scatter_ft=pilot.scatter_ft * math.exp(pilot.scatter_spread**2 / 2),
        speed_scatter_kt=pilot.speed_scatter_kt * math.exp(pilot.speed_scatter_spread**2 / 2),
        scatter_spread=0.0,
        speed_scatter_spread=0.0,
    )
    return [_landings_ft(setup, usual, flies_briefed_speed=briefed, count=_ENOUGH) for briefed in (False, True)]


def _nearer_ft(setup: LandingSetup, pilot: PilotForecast) -> NDArray[np.float64]:
    """The nearer of both, for what may be short [ft from the aim point]."""
    return min(_usual_landings_ft(setup, pilot), key=lambda ft: float(np.quantile(ft, MOST_SHORT_CHANCE)))


def _usual_ends_ft(setup: LandingSetup, pilot: PilotForecast) -> tuple[NDArray[np.float64], float]:
    """The nearer of both, and beyond what place 1 in 20 of the farther touches [ft from the aim point]."""
    both = _usual_landings_ft(setup, pilot)
    nearer = min(both, key=lambda ft: float(np.quantile(ft, MOST_SHORT_CHANCE)))
    return nearer, max(float(np.quantile(ft, 1 - MOST_FAR_CHANCE)) for ft in both)


def _landings_ft(
    setup: LandingSetup, pilot: PilotForecast, *, flies_briefed_speed: bool, count: int = SAMPLES
) -> NDArray[np.float64]:
    """Touchdowns of the pilot in the winds that may be met, from the aim point [ft]."""
    return simulate_pilot_ft(
        setup.approach,
        pilot=pilot,
        flies_briefed_speed=flies_briefed_speed,
        gust_headwind_kt=setup.assumed_wind.gust_head_kt,
        variable_wind_kt=setup.assumed_wind.any_way_kt,
        swinging_heads_kt=setup.assumed_wind.swinging_heads_kt,
        gust_over_steady=setup.assumed_wind.gust_over_steady,
        count=count,
    )


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


@dataclass(frozen=True, slots=True, kw_only=True)
class Reached:
    """Where the wheels of a landing reach from its worked-out aim point [ft from the landing threshold]."""

    spot_ft: float
    box_to_ft: float
    nearest_good_spot_ft: float
    predicted_touchdown_ft: float
    predicted_lately_ft: float
    touchdown_95_ft: float


def reached(request: BriefRequest, setup: LandingSetup, basis: Basis) -> Reached:
    """The same figures as :func:`aim_and_touchdown`, without the chances, for an end that is only compared."""
    aim_ft, briefed_minus_ft, lately_minus_ft = _recommended(request, setup, basis)
    nearer_ft, far_ft = _usual_ends_ft(setup, pilot_forecast(request, setup, basis))
    return Reached(
        spot_ft=request.spot_ft,
        box_to_ft=box_ft(request)[1],
        nearest_good_spot_ft=request.spot_ft + _nearest_safe_aim_ft(request, setup, nearer_ft) - aim_ft,
        predicted_touchdown_ft=aim_ft + briefed_minus_ft,
        predicted_lately_ft=aim_ft + lately_minus_ft,
        touchdown_95_ft=aim_ft + far_ft,
    )


def aim_and_touchdown(
    request: BriefRequest, setup: LandingSetup, basis: Basis
) -> tuple[AimPart, TouchdownPart, Approached]:
    """Where to aim, and where the wheels will touch for it; whether that is good is for :func:`judged` to say."""
    touch = predict(setup.approach)
    recommended_ft, briefed_minus_ft, minus_aim_ft = _recommended(request, setup, basis)
    aim_ft = recommended_ft if request.asked_aim_ft is None else request.asked_aim_ft
    pilot = pilot_forecast(request, setup, basis)
    from_aim_ft = _landings_ft(setup, pilot, flies_briefed_speed=False)
    at_briefed_ft = _landings_ft(setup, pilot, flies_briefed_speed=True, count=2 * _ENOUGH)
    landed_ft = aim_ft + from_aim_ft
    low_ft, high_ft = box_ft(request)
    nearer_ft, far_ft = _usual_ends_ft(setup, pilot)
    safe_ft = _nearest_safe_aim_ft(request, setup, nearer_ft)
    shift_ft = max(best_shift_ft(landed_ft, box_from_ft=low_ft, box_to_ft=high_ft), safe_ft - aim_ft)
    chance = hit_chance(landed_ft, box_from_ft=low_ft, box_to_ft=high_ft)
    chance_if_briefed = hit_chance(aim_ft + at_briefed_ft, box_from_ft=low_ft, box_to_ft=high_ft)
    aim = AimPart(
        spot_ft=request.spot_ft,
        box_ft=(low_ft, high_ft),
        target_ft=target_ft(request),
        aim_point_ft=aim_ft,
        recommended_aim_point_ft=recommended_ft,
        aim_is_good=False,
        is_set_by_instructor=aim_ft == request.overrule('aim_point_ft'),
        aim_problems=(),
        hit_chance=chance,
        hit_chance_if_briefed=chance_if_briefed,
        hit_words=_hit_words(setup, basis, chance=chance, if_briefed=chance_if_briefed),
        best_aim_point_ft=aim_ft + shift_ft,
        best_hit_chance=hit_chance(landed_ft + shift_ft, box_from_ft=low_ft, box_to_ft=high_ft),
        aim_before_spot_words=before_spot_words(request.spot_ft - aim_ft, request.runway.has_paint),
        roundout_cue=glidepath.roundout_cue(
            runway=request.runway,
            eyes_before_aim_ft=-touch.roundout_start_ft,
            eyes_height_ft=touch.roundout_height_ft + request.aircraft.eye_height_ft,
            blind_distance_ft=request.aircraft.blind_distance_ft,
        ),
        wheels_over_pavement_ft=wheels_over_ft(setup.approach, aim_ft=aim_ft, at_ft=pavement_start_ft(request)),
        nearest_good_spot_ft=request.spot_ft + safe_ft - recommended_ft,
    )
    touchdown = _touchdown_part(setup, touch, aim_ft, (briefed_minus_ft, minus_aim_ft), landed_ft, far_ft)
    short = float(np.mean(aim_ft + nearer_ft < 0))
    return aim, touchdown, Approached(touch=touch, short_chance=short, nearest_aim_ft=safe_ft)


_HABIT_SAID_KT = 1.5  # [own] of a speed habit, worth a word
_CHANCE_SAID = 0.05  # [own] by which the two chances differ, likewise


def _in_ten(chance: float) -> Sentence:
    return _BOOK.say('in_ten', hits=count(chance * 10))


def _hit_words(setup: LandingSetup, basis: Basis, *, chance: float, if_briefed: float) -> Sentence:
    """Both chances in words; the difference between them is what is coached."""
    habit_kt = basis.speed_habit_kt
    if basis.laps == 0:
        return _BOOK.say('first_lap', chance=_in_ten(chance))
    if abs(habit_kt) < _HABIT_SAID_KT or if_briefed - chance < _CHANCE_SAID:
        return _BOOK.say('lately', chance=_in_ten(chance))
    return _BOOK.say(
        'habit_fast' if habit_kt > 0 else 'habit_slow',
        speed=count(setup.speed_kias),
        briefed=_in_ten(if_briefed),
        habit=knots(abs(habit_kt)),
        chance=_in_ten(chance),
    )


def aim_cautions(aim: AimPart) -> list[Caution]:
    """What is to be minded of the wheels over the start of the pavement, where they are not too low."""
    if LEAST_WHEELS_FT - 1e-6 <= aim.wheels_over_pavement_ft < LOW_WHEELS_FT:
        return [Caution('mind', _BOOK.say('wheels_mind', wheels=feet(aim.wheels_over_pavement_ft)))]
    return []


def _touchdown_part(
    setup: LandingSetup,
    touch: Touchdown,
    aim_ft: float,
    minus_aim_ft: tuple[float, float],
    landed_ft: NDArray[np.float64],
    far_ft: float,
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
        touchdown_minus_aim_ft=minus_aim_ft[0],
        predicted_touchdown_ft=aim_ft + minus_aim_ft[0],
        predicted_lately_ft=aim_ft + minus_aim_ft[1],
        predicted_band_ft=(low_ft, high_ft),
        touchdown_95_ft=aim_ft + far_ft,
        ft_per_kt_speed=slopes.ft_per_kt_speed * knot_kcas / math.sqrt(setup.density_ratio),
        ft_per_kt_headwind=slopes.ft_per_kt_headwind,
        ft_per_ft_roundout_height=slopes.ft_per_ft_roundout_height,
    )
