"""Where to aim, where the wheels will touch, and how sure that is."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from bullseye.core.basis.constants import (
    BIAS_SD_FT,
    DECELERATION_SD_FPS2,
    HABIT_SD_KT,
    LEAST_WHEELS_FT,
    LOW_WHEELS_FT,
    MODEL_VERSION,
    MOST_FAR_CHANCE,
    MOST_SHORT_CHANCE,
    OBSTACLE_MARGIN_FT,
    SCATTER_FT,
    SCATTER_SPREAD,
    SPEED_SCATTER_KT,
    SPEED_SCATTER_SPREAD,
)
from bullseye.core.basis.sentence import (
    Caution,
    Phrasebook,
    Sentence,
    count,
    degrees,
    feet,
    joined,
    knots,
    share,
    told_apart,
)
from bullseye.core.basis.unknown import known_or
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import LandingSetup, landing_setup
from bullseye.core.given.airfield import Obstacle, in_stripes
from bullseye.core.given.belief import Calibration
from bullseye.core.model import glidepath
from bullseye.core.model.forecast import (
    SAMPLES,
    PilotForecast,
    best_shift_ft,
    hit_chance,
    simulate_from_aim_ft,
    simulate_pilot_ft,
)
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
_ENOUGH = 2_000  # [own] landings, for how many of them are short
_BAND = (100 / 6, 500 / 6)  # [own] two landings of three lie in the band that is drawn
_BOOK = Phrasebook('aim')


@dataclass(frozen=True, slots=True, kw_only=True)
class Basis:
    """Where the prediction comes from, and how sure it is."""

    source: Literal['default', 'given', 'laps']
    words: Sentence
    laps: int
    timed_laps: int
    deceleration_fps2: float
    bias_ft: float
    bias_sd_ft: float
    scatter_ft: float
    speed_habit_kt: float  # over the threshold, less the briefed speed; 0 before anything is known of it
    speed_habit_sd_kt: float
    speed_scatter_kt: float
    calibration: Calibration  # all of it, as a request takes it
    assumed: tuple[Sentence, ...]  # figures of the aircraft that nobody entered, and what is taken instead
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
    hit_chance: float  # as this pilot has been flying
    hit_chance_if_briefed: float  # if the briefed speed is flown
    hit_words: Sentence
    best_aim_point_ft: float
    best_hit_chance: float
    aim_before_spot_words: Sentence
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
    predicted_touchdown_ft: float  # at the briefed speed, with the pilot's bias
    predicted_lately_ft: float  # as this pilot has been flying, which the band is of
    predicted_band_ft: tuple[float, float]
    touchdown_95_ft: float  # nearer the threshold than this 19 of 20 touch, as lately or as briefed, the farther
    ft_per_kt_speed: float  # a knot of indicated airspeed
    ft_per_kt_headwind: float
    ft_per_ft_roundout_height: float


def _assumed(request: BriefRequest) -> tuple[Sentence, ...]:
    """Figures that this landing rests on and that are not from the handbook."""
    aircraft, flap, kind = request.aircraft, request.flap_setting, request.landing
    said = []
    if request.asked_speed_kias is None and flap.published_approach_kias(kind) is None:
        said.append(_BOOK.say('assumed_speed', flap=flap.name))
    if flap.idle_path_angle_deg is None and (
        kind in ('power_off', 'forward_slip') or aircraft.deceleration_fps2 is None
    ):
        angle = degrees(aircraft.idle_path_angle_deg(flap), step=0.1)
        said.append(_BOOK.say('assumed_glide', flap=flap.name, angle=angle))
    if aircraft.wing_height_ft is None:
        said.append(_BOOK.say('assumed_wing', height=feet(aircraft.wing_over_wheels_ft), wing=aircraft.wing))
    if aircraft.span_ft is None and aircraft.deceleration_fps2 is None:
        said.append(_BOOK.say('assumed_span'))
    if aircraft.demonstrated_crosswind_kt is None:
        said.append(_BOOK.say('assumed_crosswind'))
    return tuple(said)


def _basis_words(source: Literal['default', 'given', 'laps'], known: Calibration, *, sd_ft: float) -> Sentence:
    sd, laps, timed = feet(sd_ft), known.laps, known.timed_laps
    if not laps and known.other_laps:
        return _BOOK.say('from_others', laps=_counted('lap', known.other_laps), sd=sd)
    if not laps and known.pilots > 1:
        return _BOOK.say('from_school', pilots=count(known.pilots), sd=sd)
    if source == 'default':
        return _BOOK.say('by_default', sd=sd)
    if source == 'given':
        return _BOOK.say('as_given_about', sd=sd) if sd_ft else _BOOK.say('as_given')
    return _BOOK.say('from_laps', laps=_counted('lap', laps), timed=_counted('timed', timed), sd=sd)


def _counted(what: Literal['lap', 'timed'], number: int) -> Sentence:
    if number == 1:
        return _BOOK.say(f'one_{what}')
    return _BOOK.say('laps' if what == 'lap' else 'timed', number=count(number))


def basis_of(request: BriefRequest, approach: Approach) -> Basis:
    """What the prediction rests on."""
    known = request.calibration
    laps = known.laps
    given = any(v is not None for v in (known.deceleration_fps2, known.bias_ft, known.scatter_ft))
    source: Literal['default', 'given', 'laps'] = (
        'laps' if laps > 0 or known.timed_laps > 0 else 'given' if given else 'default'
    )
    bias_sd_ft = known.bias_sd_ft if known.bias_sd_ft is not None else 0.0 if known.bias_ft is not None else BIAS_SD_FT
    return Basis(
        source=source,
        words=_basis_words(source, known, sd_ft=bias_sd_ft),
        laps=laps,
        timed_laps=known.timed_laps,
        deceleration_fps2=approach.deceleration_fps2,
        bias_ft=known_or(known.bias_ft, 0.0),
        bias_sd_ft=bias_sd_ft,
        scatter_ft=known_or(known.scatter_ft, SCATTER_FT),
        speed_habit_kt=known_or(known.speed_habit_kt, 0.0),
        speed_habit_sd_kt=known_or(known.speed_habit_sd_kt, HABIT_SD_KT if known.speed_habit_kt is None else 0.0),
        speed_scatter_kt=known_or(known.speed_scatter_kt, SPEED_SCATTER_KT),
        calibration=known,
        assumed=_assumed(request),
        model_version=MODEL_VERSION,
    )


def box_ft(request: BriefRequest) -> tuple[float, float]:
    """The window of the standard around the spot, from the landing threshold [ft]."""
    low_ft, high_ft = request.tolerance.window_ft
    return request.spot_ft + low_ft, request.spot_ft + high_ft


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
class Approached:
    """What is known of the way to an aim point, by which it is judged [ft from the landing threshold]."""

    touch: Touchdown
    short_chance: float  # of touching before the threshold
    nearest_aim_ft: float  # by wheels, threshold and what stands before it


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


def _before_spot_words(before_ft: float, has_paint: bool) -> Sentence:
    side = 'before' if before_ft >= 0 else 'beyond'
    place = feet(abs(before_ft), step=10.0)
    if not has_paint:
        return _BOOK.say(f'{side}_spot', place=place)
    return _BOOK.say(f'{side}_spot_stripes', place=place, stripes=in_stripes(before_ft))
