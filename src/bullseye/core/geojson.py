"""Fields as GeoJSON: a point for the field, a line from end to end for each runway [pub: RFC 7946]."""

from __future__ import annotations

import math
from collections.abc import Mapping
from datetime import date
from typing import Any

from bullseye.core.airfield import Airfield, RunwayEnd
from bullseye.core.errors import InvalidInput
from bullseye.core.geo import RunwayFrame
from bullseye.core.magnetic import magnetic_variation_deg

_NUMBERS = {
    'width_ft': 60.0,
    'le_elevation_ft': None,
    'he_elevation_ft': None,
    'le_displaced_threshold_ft': 0.0,
    'he_displaced_threshold_ft': 0.0,
}


def is_geojson(data: object) -> bool:
    """Whether plain data is meant as GeoJSON."""
    return isinstance(data, Mapping) and data.get('type') in ('FeatureCollection', 'Feature')


def _position(where: str, value: object) -> tuple[float, float]:
    """Longitude and latitude, in the order GeoJSON has them."""
    if not isinstance(value, list | tuple) or len(value) < 2:
        raise InvalidInput(where, value, 'a position: [longitude, latitude]')
    lon, lat = value[0], value[1]
    for number, limit in ((lon, 180), (lat, 90)):
        if isinstance(number, bool) or not isinstance(number, int | float) or not abs(number) <= limit:
            raise InvalidInput(where, number, f'a number from {-limit} to {limit}')
    return float(lon), float(lat)


def _number(properties: Mapping[str, Any], name: str) -> float | None:
    value = properties.get(name, _NUMBERS.get(name))
    if value is None:
        return None
    if isinstance(value, bool) or not isinstance(value, int | float) or not math.isfinite(value):
        raise InvalidInput(name, value, 'a number')
    return float(value)


def airfield_from_geojson(data: Mapping[str, Any], *, on: date) -> Airfield:
    """Read a field; length, course and slope come from the places of its ends, the variation from the day.

    A runway is a LineString with ``le_ident`` and ``he_ident``; elevations, width, surface and displaced thresholds are
    properties beside them. The field is a Point with ``ident``, ``elevation_ft`` and, if published,
    ``pattern_altitude_ft``.

    :raises InvalidInput: naming the wrong member
    """
    features = data.get('features') if data.get('type') == 'FeatureCollection' else [data]
    if not isinstance(features, list) or not all(isinstance(one, Mapping) for one in features):
        raise InvalidInput('features', features, 'a list of features')
    point, lines = None, []
    for feature in features:
        geometry = feature.get('geometry')
        kind = geometry.get('type') if isinstance(geometry, Mapping) else None
        if kind == 'Point' and point is None:
            point = feature
        elif kind == 'LineString':
            lines.append(feature)
    if not lines:
        raise InvalidInput('features', 'no LineString', 'a LineString for each runway')
    about: Mapping[str, Any] = (point or {}).get('properties') or {}
    ends: list[RunwayEnd] = []
    for line in lines:
        ends += _ends(line, field=about, on=on)
    if point is not None:
        lon, lat = _position('coordinates', point['geometry'].get('coordinates'))
    else:
        lon, lat = _position('coordinates', lines[0]['geometry'].get('coordinates', [None])[0])
    return Airfield(
        ident=str(about.get('ident') or 'FIELD')[:8],
        latitude_deg=lat,
        longitude_deg=lon,
        ends=tuple(ends),
        pattern_altitude_ft=_number(about, 'pattern_altitude_ft'),
    )


def _ends(line: Mapping[str, Any], *, field: Mapping[str, Any], on: date) -> list[RunwayEnd]:
    places = line['geometry'].get('coordinates')
    if not isinstance(places, list) or len(places) != 2:
        raise InvalidInput('coordinates', places, 'the two ends of the runway')
    (lon_a, lat_a), (lon_b, lat_b) = (_position('coordinates', place) for place in places)
    properties: Mapping[str, Any] = line.get('properties') or {}
    frame = RunwayFrame(threshold_lat_deg=lat_a, threshold_lon_deg=lon_a, course_deg_true=0.0)
    north_ft, east_ft = frame.locate(lat_deg=lat_b, lon_deg=lon_b)
    length_ft = math.hypot(north_ft, east_ft)
    course = math.degrees(math.atan2(east_ft, north_ft)) % 360
    elevation = _number(field, 'elevation_ft')
    le_ft, he_ft = (_number(properties, f'{end}_elevation_ft') for end in ('le', 'he'))
    le_ft, he_ft = (le_ft if le_ft is not None else elevation), (he_ft if he_ft is not None else elevation)
    if le_ft is None or he_ft is None:
        raise InvalidInput('elevation_ft', None, 'the elevation of the field, or of both ends')
    variation = magnetic_variation_deg(lat_deg=lat_a, lon_deg=lon_a, elevation_ft=le_ft, on=on)
    slope = (he_ft - le_ft) / length_ft * 100 if length_ft else 0.0

    def end(which: str, course_deg: float, elevation_ft: float, slope_pct: float) -> RunwayEnd:
        ident = properties.get(f'{which}_ident')
        if not isinstance(ident, str) or not 1 <= len(ident) <= 4:
            raise InvalidInput(f'{which}_ident', ident, 'a runway number of 1 to 4 characters')
        surface = properties.get('surface', 'asphalt')
        if surface not in ('asphalt', 'concrete', 'grass', 'gravel'):
            raise InvalidInput('surface', surface, 'asphalt, concrete, grass, gravel')
        return RunwayEnd(
            ident=ident,
            course_deg_true=course_deg,
            length_ft=length_ft,
            width_ft=_number(properties, 'width_ft') or 60.0,
            elevation_ft=elevation_ft,
            displaced_threshold_ft=_number(properties, f'{which}_displaced_threshold_ft') or 0.0,
            slope_pct=slope_pct,
            surface=surface,
            magnetic_variation_deg=variation,
        )

    return [end('le', course, le_ft, slope), end('he', (course + 180) % 360, he_ft, -slope)]
