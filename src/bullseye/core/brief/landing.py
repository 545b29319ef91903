"""The brief: from wind, runway and aircraft to speed, aim point and what to expect."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import cache
from typing import Literal

import numpy as np
from pydantic import TypeAdapter

from bullseye.core.air.atmosphere import (
    density_altitude_ft,
    density_ratio,
    isa_temperature_c,
    pressure_altitude_ft,
    true_airspeed_kt,
)
from bullseye.core.air.wind import Components, components, magnetic_from_true_deg
from bullseye.core.basis.constants import (
    BIAS_SD_FT,
    CLEAN_DECELERATION,
    MODEL_VERSION,
    OBSTACLE_MARGIN_FT,
    SCATTER_FT,
    SLIP_PATH_DEG,
    SOFT_POWER_DECELERATION,
)
from bullseye.core.basis.errors import OutsideTable
from bullseye.core.brief.request import BriefRequest
from bullseye.core.fly.cards import Card, card_of
from bullseye.core.given.aircraft import FlapSetting
from bullseye.core.given.airfield import Obstacle, in_stripes
from bullseye.core.given.disputes import unsafe_combinations
from bullseye.core.given.technique import speed_lost_before_roundout_kt
from bullseye.core.model import glidepath
from bullseye.core.model.crosswind import CrosswindHands, crosswind_hands
from bullseye.core.model.distances import GroundRoll, landing_ground_roll
from bullseye.core.model.forecast import best_shift_ft, hit_chance, simulate_from_aim_ft
from bullseye.core.model.glidepath import RoundoutCue
from bullseye.core.model.speeds import SpeedStep, approach_speed, touchdown_speed_kcas
from bullseye.core.model.touchdown import Approach, Touchdown, aim_for, go_around_point_ft, predict, sensitivity

_POWER_OFF_PATH_DEG = 5.5  # [own] of a light aircraft at idle, full flap, where its record gives none
_STEEPEST_PATH_DEG = 7.0  # [own] beyond it no path with power is steady
_BAND = (100 / 6, 500 / 6)  # [own] two landings of three lie in the band that is drawn
_TRAINING_AID = (
    'Training aid: the aircraft handbook, local rules and the instructor decide. A go-around is always a good answer.'
)


@dataclass(frozen=True, slots=True, kw_only=True)
class CrosswindLimit:
    """One limit of crosswind, and whether the strongest crosswind of the day is within it; None when unknown."""

    name: str
    limit_kt: float
    source: str
    within: bool | None


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
class BriefAnswer:
    """One landing, briefed. Places are feet from the landing threshold; None is unknown."""

    headwind_kt: float | None
    crosswind_kt: float | None  # positive from the right
    gust_headwind_kt: float | None
    gust_crosswind_kt: float | None
    crosswind_limits: tuple[CrosswindLimit, ...]
    wind_dir_deg_mag: float | None
    pressure_altitude_ft: float
    density_altitude_ft: float
    isa_deviation_c: float
    flap: str
    approach_speed_kias: float
    approach_speed_steps: tuple[SpeedStep, ...]
    recommended_speed_kias: float
    approach_speed_ktas: float
    approach_groundspeed_kt: float
    descent_rate_fpm: float
    touchdown_speed_kias: float
    path_angle_deg: float
    spot_ft: float
    box_ft: tuple[float, float]
    target_ft: float
    roundout_start_ft: float
    roundout_height_ft: float
    roundout_ft: float
    hold_off_start_ft: float
    hold_off_height_ft: float
    float_ft: float
    float_s: float
    touchdown_minus_aim_ft: float
    aim_point_ft: float
    recommended_aim_point_ft: float
    aim_is_good: bool
    aim_problems: tuple[str, ...]
    predicted_touchdown_ft: float
    predicted_band_ft: tuple[float, float]
    hit_chance: float
    best_aim_point_ft: float
    best_hit_chance: float
    ft_per_kt_speed: float  # a knot of indicated airspeed
    ft_per_kt_headwind: float
    ft_per_ft_roundout_height: float
    go_around_point_ft: float | None
    ground_roll: GroundRoll | None
    roundout_cue: RoundoutCue
    aim_before_spot_words: str
    basis: Basis
    crosswind: CrosswindHands | None
    card: Card
    air_words: str
    cautions: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Setting:
    """The air, the speeds and the wind of a request, as every reckoning on it needs them."""

    flap: FlapSetting
    wind: Components
    pressure_altitude_ft: float
    density_ratio: float
    recommended_kias: float
    speed_kias: float
    speed_steps: tuple[SpeedStep, ...]
    path_angle_deg: float
    approach: Approach


def setting(request: BriefRequest) -> Setting:
    """Bring a request to the approach that the touchdown model takes."""
    flap = request.flap_setting
    runway, weather, table = request.runway, request.weather, flap.airspeed_table
    wind = request.wind
    parts = components(wind, course_deg_true=runway.course_deg_true)
    altitude_ft = pressure_altitude_ft(elevation_ft=runway.elevation_ft, qnh_hpa=weather.qnh_hpa)
    sigma = density_ratio(pressure_altitude_ft=altitude_ft, temperature_c=weather.temperature_c)
    speed = approach_speed(
        aircraft=request.aircraft,
        flap=flap,
        kind=request.landing,
        weight_lb=request.weight_lb,
        gust_spread_kt=wind.gust_spread_kt,
        technique=request.technique,
    )
    power_on = request.landing not in ('power_off', 'forward_slip')
    path_deg = runway.path_angle_deg if power_on else flap.idle_path_angle_deg or _POWER_OFF_PATH_DEG
    if request.landing == 'forward_slip':
        path_deg += SLIP_PATH_DEG
    speed_kias = request.approach_speed_kias or speed.speed_kias
    deceleration_fps2 = request.calibration.deceleration_fps2 or prior_deceleration_fps2(request)
    if request.landing == 'soft_field':
        deceleration_fps2 *= SOFT_POWER_DECELERATION
    lost_kt = speed_lost_before_roundout_kt(
        technique=request.technique,
        deceleration_fps2=deceleration_fps2,
        path_angle_deg=path_deg,
        power_on=power_on,
    )
    touchdown_kcas = touchdown_speed_kcas(aircraft=request.aircraft, flap=flap, weight_lb=request.weight_lb)
    approach = Approach(
        speed_ktas=true_airspeed_kt(calibrated_kt=table.calibrated_kt(speed_kias), density_ratio=sigma) - lost_kt,
        touchdown_ktas=true_airspeed_kt(calibrated_kt=touchdown_kcas, density_ratio=sigma),
        headwind_kt=0.0 if parts.head_kt is None else parts.head_kt,
        path_angle_deg=path_deg,
        deceleration_fps2=deceleration_fps2,
    )
    return Setting(
        flap=flap,
        wind=parts,
        pressure_altitude_ft=altitude_ft,
        density_ratio=sigma,
        recommended_kias=speed.speed_kias,
        speed_kias=speed_kias,
        speed_steps=speed.steps,
        path_angle_deg=path_deg,
        approach=approach,
    )


def prior_deceleration_fps2(request: BriefRequest) -> float:
    """Deceleration in the hold-off before laps are known [ft/s²]: the aircraft's, less with its flap up."""
    clean = len(request.aircraft.flaps) > 1 and request.flap_setting is request.aircraft.flaps[0]
    return request.aircraft.deceleration_fps2 * (CLEAN_DECELERATION if clean else 1.0)


def crosswind_limits(request: BriefRequest, parts: Components) -> tuple[CrosswindLimit, ...]:
    """Every limit of crosswind that is known, against the strongest crosswind of the day."""
    aircraft_kt, source = request.aircraft.crosswind_limit
    given = [
        ('aircraft', aircraft_kt, source),
        ('school', request.school_crosswind_limit_kt, 'school rule'),
        ('student', request.student_crosswind_limit_kt, "student's own limit"),
    ]
    crosswind_kt = None
    if parts.cross_kt is not None and parts.gust_cross_kt is not None:
        crosswind_kt = max(abs(parts.cross_kt), abs(parts.gust_cross_kt))
    return tuple(
        CrosswindLimit(
            name=name,
            limit_kt=limit_kt,
            source=source,
            within=None if crosswind_kt is None else crosswind_kt <= limit_kt,
        )
        for name, limit_kt, source in given
        if limit_kt is not None
    )


def _basis(request: BriefRequest, approach: Approach) -> Basis:
    known = request.calibration
    laps = known.laps
    given = any(v is not None for v in (known.deceleration_fps2, known.bias_ft, known.scatter_ft))
    source: Literal['default', 'given', 'laps'] = (
        'laps' if laps or known.timed_laps else 'given' if given else 'default'
    )
    bias_ft = known.bias_ft or 0.0
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
        bias_ft=bias_ft,
        bias_sd_ft=bias_sd_ft,
        scatter_ft=known.scatter_ft or SCATTER_FT,
        model_version=MODEL_VERSION,
    )


def ground_roll(request: BriefRequest, made: Setting) -> tuple[GroundRoll | None, str | None]:
    """The landing ground roll; None, and why, when it cannot be worked out."""
    table = request.aircraft.landing_table
    if table is None:
        return None, 'No landing table for this aircraft: the go-around point is unknown. Use the handbook.'
    if made.wind.head_kt is None:
        return None, 'Wind direction unknown: no ground roll is worked out. Use the handbook with a tailwind.'
    try:
        roll = landing_ground_roll(
            table=table,
            runway=request.runway,
            pressure_altitude_ft=made.pressure_altitude_ft,
            temperature_c=request.weather.temperature_c,
            headwind_kt=made.wind.head_kt,
        )
    except OutsideTable as error:
        return None, f'No ground roll, so no go-around point: {error}. Do not guess it; use the handbook.'
    return roll, None


def _steady_angle(aim_ft: float, obstacle: Obstacle) -> str:
    """The one steady angle over the obstacle to the aim point, where it is one that can be flown."""
    to_top_ft = aim_ft + obstacle.before_threshold_ft
    if to_top_ft <= 0:
        return ''
    angle_deg = math.degrees(math.atan2(obstacle.height_ft + OBSTACLE_MARGIN_FT, to_top_ft))
    if angle_deg > _STEEPEST_PATH_DEG:
        return ' No steady angle that can be flown clears it: aim farther in, or choose another runway.'
    return f' One steady {angle_deg:.1f}° to this aim point would clear it.'


def _aim_problems(request: BriefRequest, made: Setting, aim_ft: float, touch: Touchdown) -> tuple[str, ...]:
    problems = []
    if aim_ft < 0:
        problems.append(
            f'The aim point lies {-aim_ft:,.0f} ft short of the landing threshold. Choose a spot farther in.'
        )
    obstacle = request.runway.obstacle
    if obstacle is not None:
        over_ft = glidepath.height_ft(
            distance_ft=aim_ft + obstacle.before_threshold_ft, path_angle_deg=made.path_angle_deg
        )
        margin_ft = over_ft - obstacle.height_ft
        if margin_ft < OBSTACLE_MARGIN_FT:
            side = 'over' if margin_ft >= 0 else 'below'
            problems.append(
                f'The path to this aim point passes {abs(margin_ft):,.0f} ft {side} the top of the '
                f'{obstacle.height_ft:,.0f} ft obstacle; {OBSTACLE_MARGIN_FT:,.0f} ft is the least we call good.'
                f'{_steady_angle(aim_ft, obstacle)}'
            )
    if made.approach.speed_ktas - touch.hold_off_ktas > 0 and touch.float_s == 0:
        problems.append('No speed is left to hold off with: the wheels arrive in the roundout. Fly faster.')
    return tuple(problems)


def _cautions(request: BriefRequest, made: Setting, limits: tuple[CrosswindLimit, ...]) -> list[str]:
    cautions = []
    head_kt = made.wind.head_kt
    if head_kt is None:
        cautions.append(
            f'Variable wind of {request.weather.wind_kt:.0f} kt: its components are unknown. '
            'The prediction is for no wind along the runway, its band for any direction.'
        )
    elif head_kt < -0.5:
        cautions.append(f'Tailwind {-head_kt:.0f} kt: longer float and roll. Consider the other end.')
    for limit in limits:
        if limit.within is False:
            cautions.append(f'Crosswind over the {limit.name} limit of {limit.limit_kt:.0f} kt ({limit.source}).')
    extra_kt = made.speed_kias - made.recommended_kias
    if extra_kt > 0.5 and head_kt is not None and head_kt > 3:
        cautions.append(
            f'{extra_kt:.0f} kt above the worked-out speed: a steady wind adds nothing, it is only groundspeed. '
            'The extra becomes float.'
        )
    elif extra_kt > 0.5:
        cautions.append(f'{extra_kt:.0f} kt above the worked-out speed: the extra becomes float.')
    elif extra_kt < -0.5:
        cautions.append(f'{-extra_kt:.0f} kt below the worked-out speed: less margin above the stall.')
    return cautions


def _target_ft(request: BriefRequest) -> float:
    """Where the touchdown is wanted, from the threshold [ft]."""
    tolerance = request.standard.tolerance(request.landing)
    on_line = request.technique.aim_target == 'on_the_line'
    return request.spot_ft + (tolerance.touchdown_from_ft if on_line else tolerance.centre_ft)


def _recommended_ft(request: BriefRequest, approach: Approach, minus_aim_ft: float) -> float:
    """Aim point that puts the touchdown on its target, or that the school's rule of thumb gives [ft]."""
    thumb_ft = request.technique.aim_before_spot_ft(headwind_kt=approach.headwind_kt)
    if thumb_ft is not None:
        return request.spot_ft - thumb_ft
    return aim_for(target_ft=_target_ft(request), touchdown_minus_aim_ft=minus_aim_ft)


def recommended_aim_ft(request: BriefRequest) -> float:
    """The aim point of a brief alone [ft from the threshold], without what the rest of it takes to work out."""
    approach = setting(request).approach
    minus_aim_ft = predict(approach).touchdown_ft + _basis(request, approach).bias_ft
    return _recommended_ft(request, approach, minus_aim_ft)


def make_brief(request: BriefRequest) -> BriefAnswer:
    """Work out one landing.

    Everything that can be computed is; what cannot is None and has its reason among the cautions.
    """
    made = setting(request)
    approach, runway = made.approach, request.runway
    basis = _basis(request, approach)
    touch = predict(approach)
    slopes = sensitivity(approach)
    tolerance = request.standard.tolerance(request.landing)
    box_ft = (request.spot_ft + tolerance.touchdown_from_ft, request.spot_ft + tolerance.touchdown_to_ft)
    target_ft = _target_ft(request)

    minus_aim_ft = touch.touchdown_ft + basis.bias_ft
    recommended_ft = _recommended_ft(request, approach, minus_aim_ft)
    aim_ft = recommended_ft if request.aim_point_ft is None else request.aim_point_ft

    variable_kt = request.weather.wind_kt if made.wind.head_kt is None else 0.0
    landed_ft = aim_ft + simulate_from_aim_ft(
        approach,
        bias_ft=basis.bias_ft,
        scatter_ft=basis.scatter_ft,
        gust_headwind_kt=made.wind.gust_head_kt,
        variable_wind_kt=variable_kt,
    )
    low_ft, high_ft = (float(value) for value in np.percentile(landed_ft, _BAND))
    shift_ft = best_shift_ft(landed_ft, box_from_ft=box_ft[0], box_to_ft=box_ft[1])

    roll, no_roll = ground_roll(request, made)
    last_ft = None
    limits = crosswind_limits(request, made.wind)
    cautions = _cautions(request, made, limits)
    problems = list(_aim_problems(request, made, aim_ft, touch))
    if no_roll:
        cautions.append(no_roll)
    if roll is not None:
        last_ft = go_around_point_ft(
            landing_distance_available_ft=runway.landing_distance_available_ft,
            factored_ground_roll_ft=roll.factored_ft,
        )
        if last_ft < box_ft[1]:
            problems.append(
                f'The box ends {box_ft[1] - last_ft:,.0f} ft beyond the go-around point: the factored ground roll '
                'would not fit behind it. Choose a spot nearer the threshold or another runway.'
            )
    cautions.extend(problems)
    cautions.extend(unsafe_combinations(request.technique, request.aircraft))
    hands = _hands(request, made)
    if hands is not None and hands.rudder_share > 1:
        cautions.append(hands.words)
    cautions.append(_TRAINING_AID)

    ground_kt = approach.speed_ktas - approach.headwind_kt
    knot = 1 / math.sqrt(made.density_ratio)
    table = made.flap.airspeed_table
    knot *= table.calibrated_kt(made.speed_kias + 0.5) - table.calibrated_kt(made.speed_kias - 0.5)
    wind = request.wind
    return BriefAnswer(
        headwind_kt=made.wind.head_kt,
        crosswind_kt=made.wind.cross_kt,
        gust_headwind_kt=made.wind.gust_head_kt,
        gust_crosswind_kt=made.wind.gust_cross_kt,
        crosswind_limits=limits,
        wind_dir_deg_mag=(
            None
            if wind.direction_deg_true is None
            else magnetic_from_true_deg(true_deg=wind.direction_deg_true, variation_deg=runway.magnetic_variation_deg)
        ),
        pressure_altitude_ft=made.pressure_altitude_ft,
        density_altitude_ft=density_altitude_ft(
            pressure_altitude_ft=made.pressure_altitude_ft, temperature_c=request.weather.temperature_c
        ),
        isa_deviation_c=request.weather.temperature_c - isa_temperature_c(made.pressure_altitude_ft),
        flap=made.flap.name,
        approach_speed_kias=made.speed_kias,
        approach_speed_steps=made.speed_steps,
        recommended_speed_kias=made.recommended_kias,
        approach_speed_ktas=approach.speed_ktas,
        approach_groundspeed_kt=ground_kt,
        descent_rate_fpm=glidepath.descent_rate_fpm(
            groundspeed_kt=max(0.0, ground_kt), path_angle_deg=made.path_angle_deg
        ),
        touchdown_speed_kias=made.flap.airspeed_table.indicated_kt(
            touchdown_speed_kcas(aircraft=request.aircraft, flap=made.flap, weight_lb=request.weight_lb)
        ),
        path_angle_deg=made.path_angle_deg,
        spot_ft=request.spot_ft,
        box_ft=box_ft,
        target_ft=target_ft,
        roundout_start_ft=aim_ft + touch.roundout_start_ft,
        roundout_height_ft=touch.roundout_height_ft,
        roundout_ft=touch.roundout_ft,
        hold_off_start_ft=aim_ft + touch.hold_off_start_ft,
        hold_off_height_ft=approach.hold_off_height_ft,
        float_ft=touch.float_ft,
        float_s=touch.float_s,
        touchdown_minus_aim_ft=minus_aim_ft,
        aim_point_ft=aim_ft,
        recommended_aim_point_ft=recommended_ft,
        aim_is_good=not problems,
        aim_problems=tuple(problems),
        predicted_touchdown_ft=aim_ft + minus_aim_ft,
        predicted_band_ft=(low_ft, high_ft),
        hit_chance=hit_chance(landed_ft, box_from_ft=box_ft[0], box_to_ft=box_ft[1]),
        best_aim_point_ft=aim_ft + shift_ft,
        best_hit_chance=hit_chance(landed_ft + shift_ft, box_from_ft=box_ft[0], box_to_ft=box_ft[1]),
        ft_per_kt_speed=slopes.ft_per_kt_speed * knot,
        ft_per_kt_headwind=slopes.ft_per_kt_headwind,
        ft_per_ft_roundout_height=slopes.ft_per_ft_roundout_height,
        go_around_point_ft=last_ft,
        ground_roll=roll,
        roundout_cue=glidepath.roundout_cue(
            runway=runway,
            path_angle_deg=made.path_angle_deg,
            roundout_height_ft=touch.roundout_height_ft,
            eye_height_ft=request.aircraft.eye_height_ft,
            blind_distance_ft=request.aircraft.blind_distance_ft,
        ),
        aim_before_spot_words=_aim_words(request.spot_ft - aim_ft, runway.has_paint),
        basis=basis,
        crosswind=hands,
        card=card_of(request.landing, request.technique),
        air_words=_air_words(made, request.weather.temperature_c),
        cautions=tuple(cautions),
    )


def _hands(request: BriefRequest, made: Setting) -> CrosswindHands | None:
    parts = made.wind
    crosswind_kt = parts.cross_kt
    if parts.cross_kt is not None and parts.gust_cross_kt is not None:
        crosswind_kt = max(parts.cross_kt, parts.gust_cross_kt, key=abs)
    limit_kt, source = request.aircraft.crosswind_limit
    return crosswind_hands(
        crosswind_kt=crosswind_kt,
        approach_ktas=made.approach.speed_ktas,
        touchdown_ktas=made.approach.touchdown_ktas,
        limit_kt=limit_kt,
        limit_source=source,
    )


def _air_words(made: Setting, temperature_c: float) -> str:
    """What the density of the air does, in plain words: true airspeed and distances on the ground."""
    altitude_ft = density_altitude_ft(pressure_altitude_ft=made.pressure_altitude_ft, temperature_c=temperature_c)
    faster = 1 / math.sqrt(made.density_ratio) - 1
    rolls = 1 / made.density_ratio - 1  # energy over the ground goes with the square of the speed
    height = 'sea level' if abs(altitude_ft) < 500 else f'{round(altitude_ft, -2):,.0f} ft'
    where = f'The air is that of {height} on a standard day'
    if abs(faster) < 0.01:
        return f'{where}: nothing to allow for.'
    if faster < 0:
        return f'{where}, denser than at sea level: {-faster:.0%} less groundspeed at the same indicated speed.'
    return (
        f'{where}: at the same indicated speed you are {faster:.0%} faster over the ground, and rolls and floats are '
        f'about {rolls:.0%} longer than at sea level. Fly the same indicated speeds.'
    )


def _aim_words(before_ft: float, has_paint: bool) -> str:
    side = 'before' if before_ft >= 0 else 'beyond'
    feet = f'{abs(round(before_ft, -1)):,.0f} ft {side} the spot'
    return f'{feet}, {in_stripes(before_ft)}' if has_paint else feet


@cache
def answer_adapter() -> TypeAdapter[BriefAnswer]:
    """Writer of answers, made once."""
    return TypeAdapter(BriefAnswer)
