"""A request brought to what every part of a landing brief reckons with: air, wind, speeds, and the approach."""

from __future__ import annotations

import math
from dataclasses import dataclass

from bullseye.core.air.atmosphere import density_ratio, pressure_altitude_ft, true_airspeed_kt
from bullseye.core.air.wind import Components, components
from bullseye.core.basis.constants import (
    ROUNDOUT_LOAD_FACTOR,
    SLIP_PATH_DEG,
    SOFT_POWER_DECELERATION,
    STEEP_LOAD_FACTOR,
)
from bullseye.core.basis.kinds import LandingKind
from bullseye.core.basis.unknown import known_or
from bullseye.core.brief.request import BriefRequest
from bullseye.core.given.aircraft import FlapSetting
from bullseye.core.given.technique import speed_lost_before_roundout_kt
from bullseye.core.model.deceleration import prior_fps2
from bullseye.core.model.speeds import SpeedStep, approach_speed, touchdown_speed_kcas
from bullseye.core.model.touchdown import Approach

STEEPEST_DEG = 30.0  # [own] a glide steeper than this over the ground is not flown


@dataclass(frozen=True, slots=True, kw_only=True)
class LandingSetup:
    """The air, the speeds and the wind of a request, and the approach that the touchdown model takes."""

    flap: FlapSetting
    wind: Components | None  # None: nobody has given it
    assumed_wind: Components  # for speeds, aim and touchdown: a calm then
    pressure_altitude_ft: float
    density_ratio: float
    recommended_kias: float
    speed_kias: float
    speed_steps: tuple[SpeedStep, ...]
    path_angle_deg: float
    stall_kcas: float  # at this weight and flap, wings level
    touchdown_kcas: float
    approach: Approach


def is_glide(request: BriefRequest) -> bool:
    """Whether the approach is flown without power."""
    return request.landing in ('power_off', 'forward_slip')


def path_angle_deg(request: BriefRequest, *, speed_ktas: float, headwind_kt: float) -> float:
    """Angle of the path over the ground to the horizontal [°].

    With power it is the runway's. A glide is fixed to the air: what it sinks, over the ground it makes in this wind.
    """
    if not is_glide(request):
        return request.runway.path_angle_deg
    glide_deg = request.aircraft.idle_path_angle_deg(request.flap_setting)
    glide = math.radians(glide_deg + (SLIP_PATH_DEG if request.landing == 'forward_slip' else 0.0))
    ground_kt = speed_ktas * math.cos(glide) - headwind_kt
    return min(STEEPEST_DEG, math.degrees(math.atan2(speed_ktas * math.sin(glide), max(1.0, ground_kt))))


def prior_deceleration_fps2(request: BriefRequest) -> float:
    """Deceleration in the hold-off at idle before laps are known [ft/s²]."""
    return prior_fps2(request.aircraft, request.flap_setting, weight_lb=request.weight_lb)


def power_share(landing: LandingKind) -> float:
    """Share of the idle deceleration that is left with the power a kind of landing keeps on."""
    return SOFT_POWER_DECELERATION if landing in ('soft_field', 'wheel_landing') else 1.0


def deceleration_fps2(request: BriefRequest) -> float:
    """Deceleration in the hold-off as it is believed [ft/s²]; what laps of the kind taught holds its power already."""
    learned = request.calibration.deceleration_fps2
    return prior_deceleration_fps2(request) * power_share(request.landing) if learned is None else learned


def landing_setup(request: BriefRequest) -> LandingSetup:
    """Bring a request to the approach that the touchdown model takes."""
    flap, runway, weather = request.flap_setting, request.runway, request.weather
    wind = request.assumed_wind
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
    a_fps2 = deceleration_fps2(request)
    speed_kias = known_or(request.asked_speed_kias, speed.speed_kias)
    approach_kcas = flap.airspeed_table.calibrated_kt(speed_kias)
    speed_ktas = true_airspeed_kt(calibrated_kt=approach_kcas, density_ratio=sigma)
    head_kt = 0.0 if parts.head_kt is None else parts.head_kt
    path_deg = path_angle_deg(request, speed_ktas=speed_ktas, headwind_kt=head_kt)
    lost_kt = speed_lost_before_roundout_kt(
        technique=request.technique,
        deceleration_fps2=a_fps2,
        path_angle_deg=path_deg,
        power_on=not is_glide(request),
    )
    touchdown_kcas = touchdown_speed_kcas(
        aircraft=request.aircraft,
        flap=flap,
        weight_lb=request.weight_lb,
        kind=request.landing,
        approach_kcas=approach_kcas,
    )
    return LandingSetup(
        flap=flap,
        wind=parts if weather.is_known else None,
        assumed_wind=parts,
        pressure_altitude_ft=altitude_ft,
        density_ratio=sigma,
        recommended_kias=speed.speed_kias,
        speed_kias=speed_kias,
        speed_steps=speed.steps,
        path_angle_deg=path_deg,
        stall_kcas=request.aircraft.stall_kcas(flap=flap, weight_lb=request.weight_lb),
        touchdown_kcas=touchdown_kcas,
        approach=Approach(
            speed_ktas=max(1.0, speed_ktas - lost_kt),
            touchdown_ktas=true_airspeed_kt(calibrated_kt=touchdown_kcas, density_ratio=sigma),
            headwind_kt=head_kt,
            path_angle_deg=path_deg,
            deceleration_fps2=a_fps2,
            eye_height_ft=request.aircraft.eye_height_ft,
            slope=runway.slope_pct / 100,
            wing_height_ft=request.aircraft.wing_over_wheels_ft,
            roughness_ft=runway.roughness_ft,
            load_factor=STEEP_LOAD_FACTOR if is_glide(request) else ROUNDOUT_LOAD_FACTOR,
        ),
    )
