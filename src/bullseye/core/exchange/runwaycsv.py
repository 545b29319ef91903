"""Open runway tables in CSV: one runway a line, its low end ``le_`` and its high end ``he_``."""

from __future__ import annotations

import csv
import io
from dataclasses import dataclass
from typing import Any

from bullseye.core.basis.errors import InvalidInput

_MOST_LINES = 200_000
_SURFACES = {
    'asphalt': ('ASP', 'BIT', 'TAR', 'PEM', 'ASPHALT', 'PAVED'),
    'concrete': ('CON', 'CONCRETE'),
    'grass': ('GRA', 'GRS', 'TURF', 'GRASS', 'SOD'),
    'gravel': ('GVL', 'GRAVEL', 'GRE', 'GRV'),
}


@dataclass(frozen=True, slots=True, kw_only=True)
class RunwayTable:
    """Runways by field, as GeoJSON line features, and the lines that were left out with the reason."""

    by_field: dict[str, list[dict[str, Any]]]
    left_out: tuple[str, ...]


def _surface(text: str) -> str:
    upper = text.strip().upper()
    for name, starts in _SURFACES.items():
        if upper.startswith(starts):
            return name
    raise InvalidInput('surface', text, 'a name that begins like asphalt, concrete, grass or gravel')


def _number(row: dict[str, str], name: str, usual: float | None = None) -> float:
    text = (row.get(name) or '').strip()
    if not text and usual is not None:
        return usual
    try:
        return float(text)
    except ValueError:
        raise InvalidInput(name, text, 'a number') from None


def read_runway_table(text: str) -> RunwayTable:
    """Read a table with the usual column names.

    Needed: ``le_ident, he_ident`` and latitude and longitude of both ends, which are those of the pavement. Used where
    there: ``airport_ident, width_ft, surface``, elevations and displaced thresholds of both ends. Length and course
    follow from the places. A closed runway, or a line that lacks something, is left out and named.

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
    by_field: dict[str, list[dict[str, Any]]] = {}
    left_out = []
    try:
        for number, row in enumerate(lines, start=2):
            if number > _MOST_LINES:
                raise InvalidInput('table', f'over {_MOST_LINES} lines', 'the lines of the fields you need')
            try:
                field, line = _line(row)
            except InvalidInput as error:
                left_out.append(f'Line {number}: {error}')
                continue
            by_field.setdefault(field, []).append(line)
    except csv.Error as error:
        raise InvalidInput('table', f'line {lines.line_num}', f'readable as CSV ({error})') from None
    if not by_field:
        raise InvalidInput('table', 'no runway in it', left_out[0] if left_out else 'at least one line')
    return RunwayTable(by_field=by_field, left_out=tuple(left_out))


def _line(row: dict[str, str]) -> tuple[str, dict[str, Any]]:
    if (row.get('closed') or '').strip() == '1':
        raise InvalidInput('closed', 1, 'an open runway')
    ends, places = [], []
    for end in ('le', 'he'):
        ident = (row.get(f'{end}_ident') or '').strip()
        if not 1 <= len(ident) <= 4:
            raise InvalidInput(f'{end}_ident', ident, 'a runway number of 1 to 4 characters')
        places.append([_number(row, f'{end}_longitude_deg'), _number(row, f'{end}_latitude_deg')])
        about: dict[str, Any] = {
            'ident': ident,
            'displaced_threshold_ft': _number(row, f'{end}_displaced_threshold_ft', 0.0),
        }
        if (row.get(f'{end}_elevation_ft') or '').strip():
            about['elevation_ft'] = _number(row, f'{end}_elevation_ft')
        ends.append(about)
    known = [one['elevation_ft'] for one in ends if 'elevation_ft' in one]
    if not known:
        raise InvalidInput('le_elevation_ft', '', 'the elevation of at least one end')
    for one in ends:
        one.setdefault('elevation_ft', known[0])
    field = (row.get('airport_ident') or row.get('airport_ref') or 'FIELD').strip()[:8] or 'FIELD'
    return field, {
        'type': 'Feature',
        'geometry': {'type': 'LineString', 'coordinates': places},
        'properties': {
            'kind': 'runway',
            'width_ft': _number(row, 'width_ft', 60.0),
            'surface': _surface(row.get('surface') or 'asphalt'),
            'ends': ends,
        },
    }
