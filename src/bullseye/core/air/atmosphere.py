"""The standard atmosphere below 36,000 ft, and what it does to airspeed."""

from __future__ import annotations

import math

from bullseye.core.basis.constants import (
    CELSIUS_ZERO_K,
    FT_PER_M,
    GAS_CONSTANT_AIR,
    GRAVITY_MPS2,
    ISA_LAPSE_K_PER_M,
    ISA_SEA_LEVEL_HPA,
    ISA_SEA_LEVEL_K,
)
from bullseye.core.basis.errors import InvalidInput

# [pub: ICAO Doc 7488]
_PRESSURE_EXPONENT = GRAVITY_MPS2 / (GAS_CONSTANT_AIR * ISA_LAPSE_K_PER_M)  # 5.2559
_DENSITY_EXPONENT = _PRESSURE_EXPONENT - 1
_LAPSE_K_PER_FT = ISA_LAPSE_K_PER_M / FT_PER_M


def isa_temperature_c(altitude_ft: float) -> float:
    """Temperature of the standard atmosphere at a geopotential altitude [°C]. Source: [pub: ICAO Doc 7488]."""
    return ISA_SEA_LEVEL_K - _LAPSE_K_PER_FT * altitude_ft - CELSIUS_ZERO_K


def isa_pressure_hpa(altitude_ft: float) -> float:
    """Pressure of the standard atmosphere at a geopotential altitude [hPa]. Source: [pub: ICAO Doc 7488]."""
    ratio = 1 - _LAPSE_K_PER_FT * altitude_ft / ISA_SEA_LEVEL_K
    return float(ISA_SEA_LEVEL_HPA * ratio**_PRESSURE_EXPONENT)


def altitude_of_pressure_ft(pressure_hpa: float) -> float:
    """Altitude at which the standard atmosphere has this pressure [ft].

    :raises InvalidInput: when the pressure is not above zero
    """
    if not pressure_hpa > 0:
        raise InvalidInput('pressure_hpa', pressure_hpa, 'above 0')
    ratio = (pressure_hpa / ISA_SEA_LEVEL_HPA) ** (1 / _PRESSURE_EXPONENT)
    return float(ISA_SEA_LEVEL_K / _LAPSE_K_PER_FT * (1 - ratio))


def pressure_altitude_ft(*, elevation_ft: float, qnh_hpa: float) -> float:
    """Pressure altitude of a field [ft].

    An altimeter set to QNH shows the elevation, so the field lies as far above the level of the QNH as it is high.
    """
    return elevation_ft + altitude_of_pressure_ft(qnh_hpa)


def density_ratio(*, pressure_altitude_ft: float, temperature_c: float) -> float:
    """Air density over that of the standard atmosphere at sea level; dry air."""
    pressure_ratio = isa_pressure_hpa(pressure_altitude_ft) / ISA_SEA_LEVEL_HPA
    return pressure_ratio * ISA_SEA_LEVEL_K / (temperature_c + CELSIUS_ZERO_K)


def density_altitude_ft(*, pressure_altitude_ft: float, temperature_c: float) -> float:
    """Altitude at which the standard atmosphere is as dense as this air [ft]; humidity left out."""
    sigma = density_ratio(pressure_altitude_ft=pressure_altitude_ft, temperature_c=temperature_c)
    return float(ISA_SEA_LEVEL_K / _LAPSE_K_PER_FT * (1 - sigma ** (1 / _DENSITY_EXPONENT)))


def true_airspeed_kt(*, calibrated_kt: float, density_ratio: float) -> float:
    """True airspeed from calibrated [kt]; compressibility left out: under 0.5 % below 200 kt and 10,000 ft."""
    return calibrated_kt / math.sqrt(density_ratio)
