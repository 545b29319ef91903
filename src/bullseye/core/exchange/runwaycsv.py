"""Open runway tables in CSV: one runway a line, its low end ``le_`` and its high end ``he_``.

A table is somebody else's work. What it leaves out or contradicts is neither guessed nor dropped in silence: the line
is taken as far as it goes, and what is to be looked at is asked.
"""

from __future__ import annotations

import csv
import io
import math
import re
from dataclasses import dataclass
from datetime import date
from typing import Any

from bullseye.core.air.geo import RunwayFrame
from bullseye.core.air.magnetic import magnetic_variation_deg
from bullseye.core.air.wind import magnetic_from_true_deg
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.kinds import Surface
from bullseye.core.basis.unknown import known_or

# [own] unless it says otherwise: limits of what is read, and when the weather is worth a word
_MOST_LINES = 200_000
_SURFACE_WORDS: dict[Surface, frozenset[str]] = {
    'asphalt': frozenset({'ASP', 'ASPH', 'ASPHALT', 'BIT', 'BITUMEN', 'TAR', 'TARMAC', 'MACADAM', 'PEM', 'PAVED'}),
    'concrete': frozenset({'CON', 'CONC', 'CONCRETE', 'CEMENT'}),
    'grass': frozenset({'GRA', 'GRS', 'GRASS', 'TURF', 'SOD'}),
    'gravel': frozenset({'GVL', 'GRAVEL', 'GRVL', 'GRV'}),
}
_NO_RUNWAY = frozenset(['WATER', 'WAT', 'ROOF', 'ROOFTOP', 'DECK'])
_CONDITIONS = frozenset(['E', 'G', 'F', 'P', 'L', 'T', 'H', 'EXCELLENT', 'GOOD', 'FAIR', 'POOR', 'FAILED'])
_CLOSED = {'': False, '0': False, 'NO': False, 'N': False, 'FALSE': False, 'F': False, 'OPEN': False}
_CLOSED |= {'1': True, 'YES': True, 'Y': True, 'TRUE': True, 'T': True, 'X': True, 'CLOSED': True}
_USUAL_WIDTH_FT = 60.0
# [own] by which a table may differ from its own places before it is asked about, and before it is left out
_ASKED_LENGTH, _REFUSED_LENGTH = 0.03, 0.25
_ASKED_DEG, _REFUSED_DEG = 12.0, 60.0
_OTHER_SIDE = {'L': 'R', 'R': 'L', 'C': 'C', '': ''}
_STEEP_PCT = 4.0


@dataclass(frozen=True, slots=True, kw_only=True)
class RunwayTable:
    """Runways by field, as GeoJSON line features; lines that were left out, and what is asked, by field."""

    by_field: dict[str, list[dict[str, Any]]]
    left_out: tuple[str, ...]
    asked: dict[str, tuple[str, ...]]


def _surface(text: str) -> tuple[Surface, str | None]:
    """Surface of a runway, and what is to be asked of it; two surfaces on one runway are nobody's rule.

    :raises InvalidInput: for water and roofs, which are no runways
    """
    words = {word for word in re.split(r'[^A-Z]+', text.upper()) if word} - _CONDITIONS
    if words & _NO_RUNWAY:
        raise InvalidInput('surface', text, 'a runway for wheels')
    found = {name for name, known in _SURFACE_WORDS.items() if words & known}
    other = words - frozenset().union(*_SURFACE_WORDS.values())
    if len(found) == 1 and not other:
        return found.pop(), None
    if not words:
        return 'unknown', 'its surface is not given: enter it, or no distance can be calculated'
    return 'unknown', f'its surface "{text.strip()}" is not one that is known here: enter what is rolled on'


def _number(row: dict[str, str], name: str) -> float | None:
    text = (row.get(name) or '').strip()
    if not text:
        return None
    try:
        found = float(text)
    except ValueError:
        raise InvalidInput(name, text, 'a number') from None
    if not math.isfinite(found):
        raise InvalidInput(name, text, 'a number')
    return found


def read_runway_table(text: str, *, on: date | None = None) -> RunwayTable:
    """Read a table with the usual column names.

    Needed: ``le_ident, he_ident`` and latitude and longitude of both ends, which are those of the pavement. Used where
    there: ``airport_ident, length_ft, width_ft, surface``, elevations, headings and displaced thresholds of both ends.
    Length and course follow from the places and are held against what the table says. A closed runway, or a line that
    lacks something or contradicts itself grossly, is left out and named; smaller doubts are asked.

    :param on: for the magnetic variation that idents are held against; None: today
    :raises InvalidInput: when it is not such a table, or has too many lines
    """
    lines = csv.DictReader(io.StringIO(text.removeprefix('\ufeff')))
    try:
        columns = set(lines.fieldnames or ())
    except csv.Error as error:
        raise InvalidInput('table', 'its first line', f'comma-separated column names ({error})') from None
    needed = {f'{end}_{name}' for end in ('le', 'he') for name in ('ident', 'latitude_deg', 'longitude_deg')}
    if missing := sorted(needed - columns):
        raise InvalidInput('table', 'its columns', f'also {", ".join(missing)}')
    day = on or date.today()
    by_field: dict[str, list[dict[str, Any]]] = {}
    asked: dict[str, list[str]] = {}
    seen: set[tuple[str, str]] = set()
    left_out = []
    try:
        for number, row in enumerate(lines, start=2):
            if number > _MOST_LINES:
                raise InvalidInput('table', f'over {_MOST_LINES} lines', 'the lines of the fields you need')
            try:
                field, line, doubts = _line(row, day)
                idents = [(field, end['ident']) for end in line['properties']['ends']]
                if seen & set(idents):
                    raise InvalidInput('le_ident', idents[0][1], 'each runway once')
                seen |= set(idents)
            except InvalidInput as error:
                left_out.append(f'Line {number}: {error}')
                continue
            by_field.setdefault(field, []).append(line)
            name = '/'.join(end['ident'] for end in line['properties']['ends'])
            asked.setdefault(field, []).extend(f'Runway {name} (line {number}): {doubt}.' for doubt in doubts)
    except csv.Error as error:
        raise InvalidInput('table', f'line {lines.line_num}', f'readable as CSV ({error})') from None
    if not by_field:
        raise InvalidInput('table', 'no runway in it', left_out[0] if left_out else 'at least one line')
    return RunwayTable(
        by_field=by_field, left_out=tuple(left_out), asked={field: tuple(one) for field, one in asked.items() if one}
    )


def _line(row: dict[str, str], on: date) -> tuple[str, dict[str, Any], list[str]]:
    closed = (row.get('closed') or '').strip().upper()
    if _CLOSED.get(closed, True):
        raise InvalidInput('closed', closed, 'an open runway')
    doubts: list[str] = []
    ends, places = [], []
    for end in ('le', 'he'):
        ident = (row.get(f'{end}_ident') or '').strip().upper()
        if not 1 <= len(ident) <= 4:
            raise InvalidInput(f'{end}_ident', ident, 'a runway number of 1 to 4 characters')
        place = [_number(row, f'{end}_{name}') for name in ('longitude_deg', 'latitude_deg')]
        for name, value, limit in (('longitude_deg', place[0], 180), ('latitude_deg', place[1], 90)):
            if value is None or abs(value) > limit:
                raise InvalidInput(f'{end}_{name}', value, f'a number from {-limit} to {limit}')
        places.append([value for value in place if value is not None])
        about: dict[str, Any] = {'ident': ident}
        about['displaced_threshold_ft'] = known_or(_number(row, f'{end}_displaced_threshold_ft'), 0.0)
        elevation_ft = _number(row, f'{end}_elevation_ft')
        if elevation_ft is not None:
            about['elevation_ft'] = elevation_ft
        ends.append(about)
    known = [one['elevation_ft'] for one in ends if 'elevation_ft' in one]
    if not known:
        raise InvalidInput('le_elevation_ft', '', 'the elevation of at least one end')
    if len(known) == 1:
        doubts.append('the elevation of one end is not given, and it is taken as level: enter both, or its slope')
    for one in ends:
        one.setdefault('elevation_ft', known[0])
    surface, doubt = _surface(row.get('surface') or '')
    doubts += [doubt] if doubt else []
    width_ft = _number(row, 'width_ft')
    if width_ft is None or width_ft <= 0:
        doubts.append(f'its width is not given, and is taken as {_USUAL_WIDTH_FT:g} ft')
        width_ft = _USUAL_WIDTH_FT
    doubts += _contradictions(row, ends, places, on)
    field = (row.get('airport_ident') or row.get('airport_ref') or 'FIELD').strip()[:8] or 'FIELD'
    return (
        field,
        {
            'type': 'Feature',
            'geometry': {'type': 'LineString', 'coordinates': places},
            'properties': {'kind': 'runway', 'width_ft': width_ft, 'surface': surface, 'ends': ends},
        },
        doubts,
    )


def _off_deg(one: float, other: float) -> float:
    return abs((one - other + 180) % 360 - 180)


def _contradictions(row: dict[str, str], ends: list[dict[str, Any]], places: list[list[float]], on: date) -> list[str]:
    """Where length, heading and idents of a line do not fit its places.

    :raises InvalidInput: where they differ so much that one of them is of another runway
    """
    (lon, lat), (lon_b, lat_b) = places
    frame = RunwayFrame(threshold_lat_deg=lat, threshold_lon_deg=lon, course_deg_true=0.0)
    north_ft, east_ft = frame.locate(lat_deg=lat_b, lon_deg=lon_b)
    length_ft, course_deg = math.hypot(north_ft, east_ft), math.degrees(math.atan2(east_ft, north_ft)) % 360
    said = []
    printed_ft = _number(row, 'length_ft')
    if printed_ft is not None and printed_ft > 0:
        off = abs(length_ft - printed_ft) / printed_ft
        words = f'{printed_ft:,.0f} ft long by the table, {length_ft:,.0f} ft by its places'
        if off > _REFUSED_LENGTH:
            raise InvalidInput('length_ft', f'{printed_ft:,.0f}', f'the length of its places, {length_ft:,.0f} ft')
        if off > _ASKED_LENGTH:
            said.append(f'it is {words}: check both')
    displaced_ft = sum(one['displaced_threshold_ft'] for one in ends)
    if displaced_ft >= length_ft:
        raise InvalidInput('le_displaced_threshold_ft', f'{displaced_ft:,.0f} of both', f'below {length_ft:,.0f}')
    rise_ft = ends[1]['elevation_ft'] - ends[0]['elevation_ft']
    if length_ft > 0 and abs(rise_ft) / length_ft * 100 > _STEEP_PCT:
        said.append(f'its ends differ by {abs(rise_ft):,.0f} ft, a slope of {abs(rise_ft) / length_ft:.1%}: check them')
    for end, course in (('le', course_deg), ('he', (course_deg + 180) % 360)):
        heading_deg = _number(row, f'{end}_heading_degT')
        if heading_deg is not None and _off_deg(heading_deg, course) > _REFUSED_DEG:
            raise InvalidInput(f'{end}_heading_degT', f'{heading_deg:g}', f'the course of its places, {course:.0f}')
        if heading_deg is not None and _off_deg(heading_deg, course) > _ASKED_DEG:
            said.append(f'heading {heading_deg:.0f}° by the table is {course:.0f}° by its places: check both')
    try:
        variation_deg = magnetic_variation_deg(lat_deg=lat, lon_deg=lon, elevation_ft=0.0, on=on)
    except InvalidInput:
        return said
    course_mag = magnetic_from_true_deg(true_deg=course_deg, variation_deg=variation_deg)
    return said + _ident_doubts([one['ident'] for one in ends], course_mag)


def _ident_doubts(idents: list[str], course_deg_mag: float) -> list[str]:
    """Where the numbers of a runway do not fit its magnetic course, or each other.

    :raises InvalidInput: where they are of the other direction, or of another runway
    """
    said = []
    parts = [re.fullmatch(r'(\d{1,2})([LRC]?)', ident) for ident in idents]
    for part, course in zip(parts, (course_deg_mag, (course_deg_mag + 180) % 360), strict=True):
        if part is None or not 1 <= int(part[1]) <= 36:
            continue
        off_deg = _off_deg(int(part[1]) * 10, course)
        if off_deg > _REFUSED_DEG:
            raise InvalidInput('le_ident', '/'.join(idents), f'numbers for a magnetic course of {course_deg_mag:03.0f}')
        if off_deg > _ASKED_DEG:
            said.append(f'number {part[0]} does not fit its magnetic course of {course:03.0f}: check it')
    first, second = parts
    if first is not None and second is not None:
        turned = (int(first[1]) + 17) % 36 + 1
        if int(second[1]) != turned or second[2] != _OTHER_SIDE[first[2]]:
            said.append(f'{idents[1]} is not the other end of {idents[0]}: check both numbers')
    return said
