"""A request brought to what every part of a landing brief reckons with: air, wind, speeds, and the approach."""

from __future__ import annotations

from dataclasses import dataclass

from bullseye.core.air.atmosphere import density_ratio, pressure_altitude_ft, true_airspeed_kt
from bullseye.core.air.wind import Components, components
from bullseye.core.basis.constants import CLEAN_DECELERATION, SLIP_PATH_DEG, SOFT_POWER_DECELERATION
from bullseye.core.brief.request import BriefRequest
from bullseye.core.given.aircraft import FlapSetting
from bullseye.core.given.technique import speed_lost_before_roundout_kt
from bullseye.core.model.speeds import SpeedStep, approach_speed, touchdown_speed_kcas
from bullseye.core.model.touchdown import Approach


@dataclass(frozen=True, slots=True, kw_only=True)
class LandingSetup:
    """The air, the speeds and the wind of a request, and the approach that the touchdown model takes."""

    flap: FlapSetting
    wind: Components
    pressure_altitude_ft: float
    density_ratio: float
    recommended_kias: float
    speed_kias: float
    speed_steps: tuple[SpeedStep, ...]
    path_angle_deg: float
    touchdown_kcas: float
    approach: Approach


def path_angle_deg(request: BriefRequest) -> float:
    """Angle of the approach to the horizontal [°]: the runway's with power, the glide's without."""
    if request.landing not in ('power_off', 'forward_slip'):
        return request.runway.path_angle_deg
    glide_deg = request.aircraft.idle_path_angle_deg(request.flap_setting)
    return glide_deg + (SLIP_PATH_DEG if request.landing == 'forward_slip' else 0.0)


def prior_deceleration_fps2(request: BriefRequest) -> float:
    """Deceleration in the hold-off before laps are known [ft/s²]: the aircraft's, less with its flap up."""
    clean = len(request.aircraft.flaps) > 1 and request.flap_setting is request.aircraft.flaps[0]
    return request.aircraft.deceleration_fps2 * (CLEAN_DECELERATION if clean else 1.0)


def deceleration_fps2(request: BriefRequest) -> float:
    """Deceleration in the hold-off as it is believed [ft/s²], less with the power of a soft-field landing."""
    found = request.calibration.deceleration_fps2 or prior_deceleration_fps2(request)
    return found * (SOFT_POWER_DECELERATION if request.landing == 'soft_field' else 1.0)


def landing_setup(request: BriefRequest) -> LandingSetup:
    """Bring a request to the approach that the touchdown model takes."""
    flap, runway, weather = request.flap_setting, request.runway, request.weather
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
    path_deg, a_fps2 = path_angle_deg(request), deceleration_fps2(request)
    speed_kias = request.approach_speed_kias or speed.speed_kias
    lost_kt = speed_lost_before_roundout_kt(
        technique=request.technique,
        deceleration_fps2=a_fps2,
        path_angle_deg=path_deg,
        power_on=request.landing not in ('power_off', 'forward_slip'),
    )
    approach_kcas = flap.airspeed_table.calibrated_kt(speed_kias)
    touchdown_kcas = touchdown_speed_kcas(aircraft=request.aircraft, flap=flap, weight_lb=request.weight_lb)
    return LandingSetup(
        flap=flap,
        wind=parts,
        pressure_altitude_ft=altitude_ft,
        density_ratio=sigma,
        recommended_kias=speed.speed_kias,
        speed_kias=speed_kias,
        speed_steps=speed.steps,
        path_angle_deg=path_deg,
        touchdown_kcas=touchdown_kcas,
        approach=Approach(
            speed_ktas=true_airspeed_kt(calibrated_kt=approach_kcas, density_ratio=sigma) - lost_kt,
            touchdown_ktas=true_airspeed_kt(calibrated_kt=touchdown_kcas, density_ratio=sigma),
            headwind_kt=0.0 if parts.head_kt is None else parts.head_kt,
            path_angle_deg=path_deg,
            deceleration_fps2=a_fps2,
        ),
    )
