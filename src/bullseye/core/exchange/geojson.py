"""Fields as GeoJSON: a point for the field, a line from end to end for each runway [pub: RFC 7946]."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import asdict, fields
from datetime import date
from typing import Any, TypeVar, cast, get_args

from bullseye.core.air.geo import RunwayFrame
from bullseye.core.air.magnetic import magnetic_variation_deg
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.kinds import PatternSide, Surface, Surroundings
from bullseye.core.basis.unknown import known_or
from bullseye.core.given.airfield import (
    Airfield,
    DepartureObstacle,
    GroundMark,
    MarkUse,
    Obstacle,
    RunwayEnd,
    RunwayExit,
)

_Part = TypeVar('_Part', Obstacle, DepartureObstacle)
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


def _split(data: Mapping[str, Any]) -> tuple[Mapping[str, Any] | None, list[Mapping[str, Any]]]:
    """The point of the field, and the lines of its runways."""
    if not isinstance(data, Mapping):
        raise InvalidInput('field', data, 'a field as GeoJSON')
    features = data.get('features') if data.get('type') == 'FeatureCollection' else [data]
    if not isinstance(features, list) or not all(isinstance(one, Mapping) for one in features):
        raise InvalidInput('features', features, 'a list of features')
    point, lines = None, []
    for feature in features:
        geometry = feature.get('geometry')
        kind = geometry.get('type') if isinstance(geometry, Mapping) else None
        about_it = feature.get('properties')
        what = about_it.get('kind', '') if isinstance(about_it, Mapping) else ''
        if kind == 'Point' and point is None and what in ('', 'airfield'):
            point = feature
        elif kind == 'LineString' and what in ('', 'runway'):
            lines.append(feature)
    return point, lines


def airfield_from_geojson(data: Mapping[str, Any], *, on: date) -> Airfield:
    """Read a field; length, course and slope come from the places of its ends, the variation from the day.

    A runway is a LineString from pavement end to pavement end with ``ends``, one object an end in the order of the
    coordinates: ``ident`` and, where known, ``elevation_ft``, ``displaced_threshold_ft``, ``pattern``,
    ``path_angle_deg``. The older ``le_ident`` and ``he_ident`` with their prefixed members are read too. The field is a
    Point with ``ident``, ``elevation_ft`` and, if published, ``pattern_altitude_ft``.

    :raises InvalidInput: naming the wrong member
    """
    point, lines = _split(data)
    if not lines:
        raise InvalidInput('features', 'no LineString', 'a LineString for each runway')
    about = _properties(point or {})
    ends: list[RunwayEnd] = []
    for line in lines:
        ends += _ends(line, field=about, on=on)
    if point is not None:
        lon, lat = _position('coordinates', point['geometry'].get('coordinates'))
    else:
        lon, lat = _position('coordinates', lines[0]['geometry']['coordinates'][0])  # read above as the first end
    return Airfield(
        ident=str(about.get('ident') or 'FIELD')[:8],
        latitude_deg=lat,
        longitude_deg=lon,
        ends=tuple(ends),
        pattern_altitude_ft=_number(about, 'pattern_altitude_ft'),
        name=_text(about, 'name', 80),
    )


def _text(properties: Mapping[str, Any], name: str, limit: int) -> str | None:
    value = properties.get(name)
    return value[:limit] if isinstance(value, str) and value else None


def _properties(feature: Mapping[str, Any]) -> Mapping[str, Any]:
    """The members of a feature; none when it has none.

    :raises InvalidInput: when they are no object
    """
    found = feature.get('properties')
    if found is None:
        return {}
    if not isinstance(found, Mapping):
        raise InvalidInput('properties', found, 'an object')
    return found


def _by_prefix(properties: Mapping[str, Any]) -> dict[str, Any]:
    """The members of ``ends`` under the prefixes of the two ends, ``le_`` and ``he_``."""
    found = dict(properties)
    ends = found.pop('ends', None)
    if ends is None:
        return found
    if not isinstance(ends, list) or len(ends) != 2 or not all(isinstance(one, Mapping) for one in ends):
        raise InvalidInput('ends', ends, 'two objects, one an end of the runway')
    for prefix, end in zip(('le', 'he'), ends, strict=True):
        found |= {f'{prefix}_{name}': value for name, value in end.items()}
    return found


def _ends(line: Mapping[str, Any], *, field: Mapping[str, Any], on: date) -> list[RunwayEnd]:
    places = line['geometry'].get('coordinates')
    if not isinstance(places, list) or len(places) != 2:
        raise InvalidInput('coordinates', places, 'the two ends of the runway')
    (lon_a, lat_a), (lon_b, lat_b) = (_position('coordinates', place) for place in places)
    properties = _by_prefix(_properties(line))
    frame = RunwayFrame(threshold_lat_deg=lat_a, threshold_lon_deg=lon_a, course_deg_true=0.0)
    north_ft, east_ft = frame.locate(lat_deg=lat_b, lon_deg=lon_b)
    length_ft = math.hypot(north_ft, east_ft)
    course = math.degrees(math.atan2(east_ft, north_ft)) % 360
    elevation = _number(field, 'elevation_ft')
    le_ft, he_ft = (_number(properties, f'{end}_elevation_ft') for end in ('le', 'he'))
    # one end alone makes no slope: the other is taken to lie as high
    known_ft = next((one for one in (le_ft, he_ft, elevation) if one is not None), None)
    le_ft, he_ft = (known_ft if le_ft is None else le_ft), (known_ft if he_ft is None else he_ft)
    if le_ft is None or he_ft is None:
        raise InvalidInput('elevation_ft', None, 'the elevation of the field, or of both ends')
    variation = magnetic_variation_deg(lat_deg=lat_a, lon_deg=lon_a, elevation_ft=le_ft, on=on)
    slope = (he_ft - le_ft) / length_ft * 100 if length_ft else 0.0

    def end(which: str, course_deg: float, elevation_ft: float, slope_pct: float) -> RunwayEnd:
        ident = properties.get(f'{which}_ident')
        if not isinstance(ident, str) or not 1 <= len(ident) <= 4:
            raise InvalidInput(f'{which}_ident', ident, 'a runway number of 1 to 4 characters')
        surface = properties.get('surface', 'asphalt')  # as everywhere in requests; a table's empty cell is unknown
        if surface not in get_args(Surface):
            raise InvalidInput('surface', surface, ', '.join(get_args(Surface)))
        return RunwayEnd(
            ident=ident,
            course_deg_true=course_deg,
            length_ft=length_ft,
            width_ft=known_or(_number(properties, 'width_ft'), 60.0),
            elevation_ft=elevation_ft,
            displaced_threshold_ft=known_or(_number(properties, f'{which}_displaced_threshold_ft'), 0.0),
            slope_pct=slope_pct,
            surface=surface,
            magnetic_variation_deg=variation,
            path_angle_deg=known_or(_number(properties, f'{which}_path_angle_deg'), 3.0),
            aiming_marks_ft=_number(properties, f'{which}_aiming_marks_ft'),
            obstacle=_part(properties, f'{which}_obstacle', Obstacle),
            departure_obstacle=_part(properties, f'{which}_departure_obstacle', DepartureObstacle),
            exits=_exits(properties.get(f'{which}_exits')),
            preferred=properties.get(f'{which}_preferred') is True,
            pattern_side=_side(properties.get(f'{which}_pattern')),
            pattern_spacing_nm=_number(properties, f'{which}_pattern_spacing_nm'),
            base_angle_deg=known_or(_number(properties, f'{which}_base_angle_deg'), 90.0),
            downwind_extension_s=known_or(_number(properties, f'{which}_downwind_extension_s'), 0.0),
            surroundings=_surroundings(properties.get(f'{which}_surroundings', properties.get('surroundings'))),
        )

    return [end('le', course, le_ft, slope), end('he', (course + 180) % 360, he_ft, -slope)]


def _part(properties: Mapping[str, Any], name: str, part: type[_Part]) -> _Part | None:
    """An object within an end; None where there is none."""
    value = properties.get(name)
    if value is None:
        return None
    if not isinstance(value, Mapping) or set(value) != {one.name for one in fields(part)}:
        raise InvalidInput(name, value, f'an object of {", ".join(one.name for one in fields(part))}')
    return part(**value)


def _exits(value: object) -> tuple[RunwayExit, ...]:
    if value is None:
        return ()
    if not isinstance(value, list | tuple) or len(value) > 20:
        raise InvalidInput('exits', value, 'up to 20 exits, each with a name and its feet from the threshold')
    found = []
    for one in value:
        if not isinstance(one, Mapping) or set(one) != {'name', 'at_ft'} or not isinstance(one['name'], str):
            raise InvalidInput('exits', one, 'objects of name and at_ft')
        found.append(RunwayExit(name=one['name'], at_ft=one['at_ft']))
    return tuple(found)


def _side(value: object) -> PatternSide:
    if value in (None, 'left'):
        return 'left'
    if value == 'right':
        return 'right'
    raise InvalidInput('pattern', value, 'left, right')


def _surroundings(value: object) -> Surroundings:
    if value is None:
        return 'open'
    for known in get_args(Surroundings):
        if value == known:
            return cast(Surroundings, known)
    raise InvalidInput('surroundings', value, ', '.join(get_args(Surroundings)))


def runway_pairs(
    ends: Sequence[tuple[RunwayEnd, float, float]],
) -> list[tuple[tuple[RunwayEnd, float, float], tuple[RunwayEnd, float, float] | None]]:
    """Ends that are the two sides of one runway: opposite courses, the same length, thresholds a runway apart.

    :param ends: each with latitude and longitude of its landing threshold
    """
    left, pairs = list(ends), []
    while left:
        one = left.pop(0)
        other = next((two for two in left if _same_runway(one, two)), None)
        if other is not None:
            left.remove(other)
        pairs.append((one, other))
    return pairs


def _same_runway(one: tuple[RunwayEnd, float, float], two: tuple[RunwayEnd, float, float]) -> bool:
    (a, lat_a, lon_a), (b, lat_b, lon_b) = one, two
    turned = abs((a.course_deg_true - b.course_deg_true) % 360 - 180)
    frame = RunwayFrame(threshold_lat_deg=lat_a, threshold_lon_deg=lon_a, course_deg_true=a.course_deg_true)
    along, lateral = frame.locate(lat_deg=lat_b, lon_deg=lon_b)
    apart_ft = a.length_ft - a.displaced_threshold_ft - b.displaced_threshold_ft
    return turned < 2 and abs(a.length_ft - b.length_ft) < 20 and abs(lateral) < 60 and abs(along - apart_ft) < 100


def airfield_to_geojson(
    *,
    name: str,
    ident: str,
    elevation_ft: float,
    pattern_altitude_ft: float,
    ends: Sequence[tuple[RunwayEnd, float, float]],
    marks: Sequence[GroundMark] = (),
) -> dict[str, Any]:
    """A field as a FeatureCollection that :func:`airfield_from_geojson` reads back.

    :param ends: each with latitude and longitude of its landing threshold
    """
    _, lat, lon = ends[0]
    features: list[dict[str, Any]] = [
        _feature(
            'Point',
            [_rounded(lon), _rounded(lat)],
            kind='airfield',
            name=name,
            ident=ident,
            elevation_ft=elevation_ft,
            pattern_altitude_ft=pattern_altitude_ft,
        )
    ]
    for (first, lat_1, lon_1), second in runway_pairs(ends):
        frame = RunwayFrame(threshold_lat_deg=lat_1, threshold_lon_deg=lon_1, course_deg_true=first.course_deg_true)
        start = frame.place(along_ft=-first.displaced_threshold_ft)
        finish = frame.place(along_ft=first.length_ft - first.displaced_threshold_ft)
        both = [first] if second is None else [first, second[0]]
        features.append(
            _feature(
                'LineString',
                [[_rounded(place[1]), _rounded(place[0])] for place in (start, finish)],
                kind='runway',
                width_ft=first.width_ft,
                surface=first.surface,
                ends=[_end(end) for end in both],
            )
        )
    for mark in marks:
        place = [_rounded(mark.longitude_deg), _rounded(mark.latitude_deg)]
        features.append(_feature('Point', place, kind='mark', name=mark.name, use=mark.use))
    return {'type': 'FeatureCollection', 'features': features}


def _end(end: RunwayEnd) -> dict[str, Any]:
    return {
        'ident': end.ident,
        'elevation_ft': end.elevation_ft,
        'displaced_threshold_ft': end.displaced_threshold_ft,
        'pattern': end.pattern_side,
        'pattern_spacing_nm': end.pattern_spacing_nm,
        'base_angle_deg': end.base_angle_deg,
        'downwind_extension_s': end.downwind_extension_s,
        'path_angle_deg': end.path_angle_deg,
        'aiming_marks_ft': end.aiming_marks_ft,
        'obstacle': asdict(end.obstacle) if end.obstacle else None,
        'departure_obstacle': asdict(end.departure_obstacle) if end.departure_obstacle else None,
        'exits': [asdict(one) for one in end.exits],
        'preferred': end.preferred,
        'surroundings': end.surroundings,
    }


def _rounded(degrees: float) -> float:
    return round(degrees, 8)  # a hundredth of an inch


def _feature(geometry: str, coordinates: list[Any], **properties: Any) -> dict[str, Any]:
    return {
        'type': 'Feature',
        'geometry': {'type': geometry, 'coordinates': coordinates},
        'properties': properties,
    }


def marks_from_geojson(data: Mapping[str, Any]) -> tuple[GroundMark, ...]:
    """The ground marks of a field: points of ``kind`` mark.

    :raises InvalidInput: naming the wrong member
    """
    found = []
    features = data.get('features')
    for feature in features if isinstance(features, list) else ():
        properties = _properties(feature) if isinstance(feature, Mapping) else {}
        if properties.get('kind') == 'mark':
            geometry = feature.get('geometry')
            given = geometry.get('coordinates') if isinstance(geometry, Mapping) else None
            lon, lat = _position('coordinates', given)
            use = properties.get('use', 'other')
            if use not in get_args(MarkUse):
                raise InvalidInput('use', use, ', '.join(get_args(MarkUse)))
            name = _text(properties, 'name', 80)
            if name is None:
                raise InvalidInput('name', name, 'a name for the mark')
            found.append(GroundMark(name=name, latitude_deg=lat, longitude_deg=lon, use=use))
    return tuple(found)


def thresholds_from_geojson(data: Mapping[str, Any], airfield: Airfield) -> list[tuple[RunwayEnd, float, float]]:
    """The ends of a field with latitude and longitude of their landing thresholds.

    :param airfield: as :func:`airfield_from_geojson` read it from the same data
    """
    places = []
    for line in _split(data)[1]:
        for place in line['geometry']['coordinates']:
            lon, lat = _position('coordinates', place)
            places.append((lat, lon))
    found = []
    for end, (lat, lon) in zip(airfield.ends, places, strict=True):
        frame = RunwayFrame(threshold_lat_deg=lat, threshold_lon_deg=lon, course_deg_true=end.course_deg_true)
        found.append((end, *frame.place(along_ft=end.displaced_threshold_ft)))
    return found
