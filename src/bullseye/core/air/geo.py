"""Places on the earth against places on a runway."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated

import numpy as np
from annotated_types import Ge, Le
from numpy.typing import NDArray

from bullseye.core.basis.constants import FT_PER_M
from bullseye.core.basis.quantity import Checked, Degrees, Real

# WGS 84 [pub: NIMA TR8350.2]
_EQUATOR_RADIUS_FT = 6_378_137 * FT_PER_M
_FLATTENING = 1 / 298.257223563
_ECCENTRICITY2 = _FLATTENING * (2 - _FLATTENING)


def normal_longitude_deg(lon_deg: float) -> float:
    """A longitude that was reckoned across 180° as it is written, -180 to 180 [°]; others are as they are."""
    return lon_deg if -180 <= lon_deg <= 180 else (lon_deg + 180) % 360 - 180


@dataclass(frozen=True, slots=True, kw_only=True)
class RunwayFrame(Checked):
    """Axes laid on a runway, from which every touchdown is measured.

    ``along_ft`` grows from the landing threshold in the landing direction, ``lateral_ft`` to its right.
    The earth is taken as flat: true to 1 ft within 4,500 ft of the threshold, up to 60° of latitude.
    """

    threshold_lat_deg: Annotated[Real, Ge(-85), Le(85)]
    threshold_lon_deg: Annotated[Real, Ge(-180), Le(180)]
    course_deg_true: Degrees

    def _ft_per_degree(self) -> tuple[float, float]:
        """Feet to a degree of latitude and of longitude, by the radii of curvature of the ellipsoid."""
        lat = math.radians(self.threshold_lat_deg)
        w2 = 1 - _ECCENTRICITY2 * math.sin(lat) ** 2
        meridian_ft = _EQUATOR_RADIUS_FT * (1 - _ECCENTRICITY2) / w2**1.5
        across_ft = _EQUATOR_RADIUS_FT / math.sqrt(w2) * math.cos(lat)
        return math.radians(meridian_ft), math.radians(across_ft)

    def place(self, *, along_ft: float, lateral_ft: float = 0.0) -> tuple[float, float]:
        """Latitude and longitude [°] of a place in the frame."""
        course = math.radians(self.course_deg_true)
        north_ft = along_ft * math.cos(course) - lateral_ft * math.sin(course)
        east_ft = along_ft * math.sin(course) + lateral_ft * math.cos(course)
        ft_per_lat, ft_per_lon = self._ft_per_degree()
        lon_deg = self.threshold_lon_deg + east_ft / ft_per_lon
        return self.threshold_lat_deg + north_ft / ft_per_lat, normal_longitude_deg(lon_deg)

    def locate_all(
        self, *, lat_deg: NDArray[np.float64], lon_deg: NDArray[np.float64]
    ) -> tuple[NDArray[np.float64], NDArray[np.float64]]:
        """``along_ft`` and ``lateral_ft`` of many places, arrays of one shape."""
        ft_per_lat, ft_per_lon = self._ft_per_degree()
        north_ft = (lat_deg - self.threshold_lat_deg) * ft_per_lat
        east_ft = ((lon_deg - self.threshold_lon_deg + 180) % 360 - 180) * ft_per_lon
        cos, sin = math.cos(math.radians(self.course_deg_true)), math.sin(math.radians(self.course_deg_true))
        return north_ft * cos + east_ft * sin, east_ft * cos - north_ft * sin

    def locate(self, *, lat_deg: float, lon_deg: float) -> tuple[float, float]:
        """``along_ft`` and ``lateral_ft`` of a place on the earth."""
        ft_per_lat, ft_per_lon = self._ft_per_degree()
        north_ft = (lat_deg - self.threshold_lat_deg) * ft_per_lat
        east_ft = ((lon_deg - self.threshold_lon_deg + 180) % 360 - 180) * ft_per_lon
        course = math.radians(self.course_deg_true)
        return (
            north_ft * math.cos(course) + east_ft * math.sin(course),
            east_ft * math.cos(course) - north_ft * math.sin(course),
        )
