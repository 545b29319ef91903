"""Magnetic variation, by the World Magnetic Model."""

from __future__ import annotations

import calendar
from datetime import date
from functools import lru_cache

from pygeomag import GeoMag

from bullseye.core.basis.constants import FT_PER_M


@lru_cache(1)
def _model() -> GeoMag:
    return GeoMag()


@lru_cache(512)
def magnetic_variation_deg(*, lat_deg: float, lon_deg: float, elevation_ft: float, on: date) -> float:
    """Variation at a place and day [°], positive east. Source: [pub: World Magnetic Model 2025, NOAA/BGS].

    Good to about half a degree away from iron ore and the magnetic poles.
    """
    days = 366 if calendar.isleap(on.year) else 365
    year = on.year + (on.timetuple().tm_yday - 1) / days
    elevation_km = elevation_ft / FT_PER_M / 1_000
    return float(
        _model().calculate(glat=lat_deg, glon=lon_deg, alt=elevation_km, time=year, allow_date_outside_lifespan=True).d
    )
