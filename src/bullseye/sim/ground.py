"""The ground a simulated flight uses: a field's runways on a flat plane of feet north and east.

Read from the same GeoJSON as everything else, by code of its own, so that a fault in the analysis cannot hide here.
"""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property
from typing import Any

import numpy as np
from numpy.typing import NDArray
from pyproj import Geod

from bullseye.core.basis.unknown import known_or

FT = 0.3048
_EARTH = Geod(ellps='WGS84')
Floats = NDArray[np.float64]


@dataclass(frozen=True, kw_only=True)
class Strip:
    """One landing direction: its threshold on the plane, its course, and what lies under the wheels."""

    ident: str
    threshold_n_ft: float
    threshold_e_ft: float
    course_rad: float
    landing_length_ft: float  # from the landing threshold to the far end
    displaced_ft: float
    width_ft: float
    threshold_elevation_ft: float
    slope: float  # rise over run in the landing direction
    pattern_side: int  # -1 left, +1 right

    @cached_property
    def _axis(self) -> tuple[float, float]:
        """North and east part of the landing direction."""
        return math.cos(self.course_rad), math.sin(self.course_rad)

    def to_plane(self, along_ft: float, lateral_ft: float) -> tuple[float, float]:
        """Feet north and east of a place on the runway's axes."""
        c, s = self._axis
        return (
            self.threshold_n_ft + along_ft * c - lateral_ft * s,
            self.threshold_e_ft + along_ft * s + lateral_ft * c,
        )

    def from_plane(self, n_ft: float, e_ft: float) -> tuple[float, float]:
        """Along and lateral feet of a place on the plane."""
        c, s = self._axis
        dn, de = n_ft - self.threshold_n_ft, e_ft - self.threshold_e_ft
        return dn * c + de * s, de * c - dn * s

    def surface_ft(self, along_ft: float) -> float:
        """Elevation of the ground under a place along the runway, level beyond its ends."""
        first, last = -self.displaced_ft, self.landing_length_ft
        inside = first if along_ft < first else last if along_ft > last else along_ft
        return self.threshold_elevation_ft + self.slope * inside


@dataclass(frozen=True)
class Ground:
    """A field: where its plane touches the earth, and its runways."""

    name: str
    lat_deg: float
    lon_deg: float
    elevation_ft: float
    pattern_altitude_ft: float
    strips: Mapping[str, Strip]
    geojson: Mapping[str, Any]

    def to_earth(self, n_ft: Floats, e_ft: Floats) -> tuple[Floats, Floats]:
        """Latitude and longitude of places on the plane, along geodesics from the field."""
        azimuth = np.degrees(np.arctan2(e_ft, n_ft))
        size = np.shape(azimuth)
        lon, lat, _ = _EARTH.fwd(
            np.full(size, self.lon_deg), np.full(size, self.lat_deg), azimuth, np.hypot(n_ft, e_ft) * FT
        )
        return np.asarray(lat), np.asarray(lon)


def read_ground(data: Mapping[str, Any]) -> Ground:
    """A field from GeoJSON as ``bullseye sim flight --field`` takes it.

    :raises ValueError: when it holds no field with a runway
    """
    features = data.get('features', [])
    points = [f for f in features if f['geometry']['type'] == 'Point' and f['properties'].get('kind') == 'airfield']
    lines = [f for f in features if f['geometry']['type'] == 'LineString']
    if not points or not lines:
        raise ValueError('the field file holds no airfield with a runway')
    about = points[0]['properties']
    lon0, lat0 = points[0]['geometry']['coordinates'][:2]

    def plane(place: list[float]) -> tuple[float, float]:
        azimuth, _, distance_m = _EARTH.inv(lon0, lat0, place[0], place[1])
        return (
            distance_m / FT * math.cos(math.radians(azimuth)),
            distance_m / FT * math.sin(math.radians(azimuth)),
        )

    strips: dict[str, Strip] = {}
    for line in lines:
        ends, properties = [plane(c) for c in line['geometry']['coordinates']], line['properties']
        elevations = [float(e.get('elevation_ft', about['elevation_ft'])) for e in properties['ends']]
        for first in (0, 1):
            (n_a, e_a), (n_b, e_b) = ends[first], ends[1 - first]
            length = math.hypot(n_b - n_a, e_b - e_a)
            course = math.atan2(e_b - e_a, n_b - n_a)
            end = properties['ends'][first]
            displaced = float(known_or(end.get('displaced_threshold_ft'), 0.0))
            slope = (elevations[1 - first] - elevations[first]) / length
            strips[end['ident']] = Strip(
                ident=end['ident'],
                threshold_n_ft=n_a + displaced * math.cos(course),
                threshold_e_ft=e_a + displaced * math.sin(course),
                course_rad=course,
                landing_length_ft=length - displaced,
                displaced_ft=displaced,
                width_ft=float(properties.get('width_ft', 60)),
                threshold_elevation_ft=elevations[first] + slope * displaced,
                slope=slope,
                pattern_side=1 if end.get('pattern') == 'right' else -1,
            )
    return Ground(
        name=str(about.get('name') or about.get('ident')),
        lat_deg=lat0,
        lon_deg=lon0,
        elevation_ft=float(about['elevation_ft']),
        pattern_altitude_ft=float(about.get('pattern_altitude_ft') or about['elevation_ft'] + 1_000),
        strips=strips,
        geojson=data,
    )
