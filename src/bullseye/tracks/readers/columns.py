"""What the columns of a CSV file mean: guessed from their names, or told by hand."""

from __future__ import annotations

import re
import unicodedata
from collections.abc import Mapping, Sequence
from dataclasses import asdict, dataclass, replace
from typing import Any, Literal, get_args

from bullseye.core.basis.constants import FPS_PER_KT, FT_PER_M, FT_PER_NM
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.unknown import known_or

# [own] limits and habits of reading
Role = Literal[
    'time',
    'date',
    'utc_offset',
    'latitude',
    'longitude',
    'height',
    'speed',
    'course',
    'airspeed',
    'heading',
    'pitch',
    'bank',
    'vertical_speed',
    'on_ground',
]
ROLES: tuple[Role, ...] = get_args(Role)
# factors into the units of a Track: ft, kt, °, ft/min
_LENGTHS = {'ft': 1.0, 'm': FT_PER_M}
_SPEEDS = {
    'kt': 1.0,
    'm/s': FT_PER_M / FPS_PER_KT,
    'km/h': FT_PER_M / 3.6 / FPS_PER_KT,
    'mph': 5280 / FT_PER_NM,
}
_CLIMBS = {'ft/min': 1.0, 'm/s': FT_PER_M * 60, 'ft/s': 60.0}
UNITS: dict[str, dict[str, float]] = {
    'height': _LENGTHS,
    'speed': _SPEEDS,
    'airspeed': _SPEEDS,
    'vertical_speed': _CLIMBS,
}
_UNIT_WORDS = (
    (r'km/?h|kph|kmh', 'km/h'),
    (r'm/s|mps|ms-1', 'm/s'),
    (r'mph|mi/h', 'mph'),
    (r'kts?|knots?|kn', 'kt'),
    (r'fpm|ft/min|feet/min', 'ft/min'),
    (r'ft/s|fps', 'ft/s'),
    (r'ft|feet|foot', 'ft'),
    (r'm|met(er|re)s?', 'm'),
)
# In other languages, letters without their marks
_SPEED_WORDS = (
    r'(gps )?(geschwindigkeit|vitesse( sol)?|velocidad|velocita|velocidade|snelheid|predkosc|rychlost|hastighet|nopeus)'
)
_COURSE_WORDS = r'kurs( ueber grund)?|cap|route|rumbo|rotta|rumo|koers'
_HEIGHT_WORDS = (
    r'(gps )?(ho?ehe|hohe|hauteur|altura|altitud|quota|altezza|hoogte|wysokosc|vyska|hojd|hoyde|korkeus)( msl| gps)?'
)
# Names by role, words joined by one blank; the first role that fits takes the column, the best name first.
_NAMES: tuple[tuple[str, tuple[str, ...]], ...] = (
    (
        'latitude',
        (
            r'lat(itude)?( deg(rees)?)?',
            r'(geogr? )?breite(ngrad)?',
            r'latitudine?|latitud|breedtegraad|szerokosc( geograficzna)?',
        ),
    ),
    (
        'longitude',
        (
            r'(lon|lng|long)(gitude|itude)?( deg(rees)?)?',
            r'longitude.*',
            r'(geogr? )?la?enge(ngrad)?|lange(ngrad)?',
            r'longitudine?|longitud|lengtegraad|dlugosc( geograficzna)?',
        ),
    ),
    ('utc_offset', (r'utc ?(ofst|offset)', r'time ?zone')),
    ('date', (r'(lcl |local |utc |gps )?date', r'datum|fecha|data|dato|pvm|paivamaara')),
    (
        'time',
        (
            r'(utc |gps )?(date ?time|time ?stamp)( utc)?',
            r'(utc|gps) time',
            r'time( utc)?',
            r'(lcl|local) time',
            r'utc',
            r'(uhr)?zeit( utc)?|zeitstempel|heure( utc)?|horodatage',
            r'hora( utc)?|ora|orario|tijd|czas|cas|tid|aika',
            r'unix( time)?',
            r'epoch',
            r'time.*',
        ),
    ),
    (
        'on_ground',
        (
            r'(is )?(on ?(the )?(ground|gnd)|weight on wheels|wow)( flag)?',
            r'(air ?/? ?)?(ground|gnd)( flag| state| status)?',
            r'(am )?boden|(au )?sol|(en )?tierra|(a )?terra',
        ),
    ),
    ('vertical_speed', (r'v(ert(ical)?)? ?(spd|speed)', r'climb( rate)?', r'vs', r'rate of climb')),
    ('airspeed', (r'(ind(icated)? )?air ?speed', r'ias', r'tas', r'true air ?speed')),
    ('speed', (r'(ground|gnd|gps) ?(spd|speed)', r'gs', r'sog', r'speed( over ground)?', r'velocity', _SPEED_WORDS)),
    ('course', (r'(ground |gps )?(course|track|trk)( over ground)?( true)?', r'cog', r'(true )?course', _COURSE_WORDS)),
    ('heading', (r'(true )?(heading|hdg)( true)?', r'yaw')),
    ('pitch', (r'pitch( angle)?',)),
    ('bank', (r'(roll|bank)( angle)?',)),
    (
        'height',
        (
            r'(gps|gnss) ?(alt(itude)?|height)',
            r'alt(itude)? ?(gps|gnss|msl|asl)?',
            r'(height|elev(ation)?|ele)( msl)?',
            _HEIGHT_WORDS,
        ),
    ),
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Column:
    """One column of the file and what it holds."""

    role: str
    index: int
    unit: str | None = None
    guessed: bool = False  # True: the file does not say the unit

    @property
    def factor(self) -> float:
        """From its unit into that of a track."""
        units = UNITS.get(self.role)
        return units[self.unit] if units and self.unit else 1.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Columns:
    """How to read a CSV file; what can be shown, corrected by hand, and remembered for the device."""

    separator: str
    decimal: str
    first_row: int  # of the figures, counted from 0
    columns: tuple[Column, ...]
    names: tuple[str, ...] = ()
    by_content: bool = False  # told by the figures, not by headings
    utc_offset_min: float = 0.0  # by which the file's times are ahead of UTC, where no column says it

    def find(self, role: str) -> Column | None:
        """The column of a role."""
        return next((one for one in self.columns if one.role == role), None)

    def as_dict(self) -> dict[str, Any]:
        """Plain data, which :func:`columns_from_dict` reads back."""
        return asdict(self)


def columns_from_dict(data: Mapping[str, Any]) -> Columns:
    """How to read a file, as somebody corrected it.

    :raises InvalidInput: naming the wrong member
    """
    separator, decimal = data.get('separator', ','), data.get('decimal', '.')
    if separator not in (',', ';', '\t', '|', ' '):
        raise InvalidInput('separator', separator, 'comma, semicolon, tab, | or blank')
    if decimal not in ('.', ',') or decimal == separator:
        raise InvalidInput('decimal', decimal, '. or , and not the separator')
    first_row = data.get('first_row', 1)
    if not isinstance(first_row, int) or not 0 <= first_row <= 1_000:
        raise InvalidInput('first_row', first_row, 'a whole number from 0 to 1000')
    columns: list[Column] = []
    listed = data.get('columns')
    if not isinstance(listed, Sequence) or isinstance(listed, str):
        raise InvalidInput('columns', listed, 'a list')
    for one in listed:
        if isinstance(one, Mapping) and not one.get('role'):  # a column that is not used
            continue
        role, index, unit = (
            (one.get(name) for name in ('role', 'index', 'unit')) if isinstance(one, Mapping) else (0,) * 3
        )
        if role not in ROLES or any(role == other.role for other in columns):
            raise InvalidInput('role', role, f'each once: {", ".join(ROLES)}')
        if not isinstance(index, int) or not 0 <= index < 1_000:
            raise InvalidInput('index', index, 'a whole number from 0')
        units = UNITS.get(str(role), {})
        if unit is not None and unit not in units:
            raise InvalidInput('unit', unit, ', '.join(units) or 'none for this column')
        columns.append(Column(role=str(role), index=index, unit=unit))
    for needed in ('time', 'latitude', 'longitude'):
        if not any(one.role == needed for one in columns):
            raise InvalidInput('columns', [one.role for one in columns], f'one of them is {needed}')
    offset = known_or(data.get('utc_offset_min'), 0.0)
    if isinstance(offset, bool) or not isinstance(offset, int | float) or not -900 <= offset <= 900:
        raise InvalidInput('utc_offset_min', offset, 'minutes ahead of UTC, -900 to 900')
    return Columns(
        separator=separator,
        decimal=decimal,
        first_row=first_row,
        columns=tuple(columns),
        utc_offset_min=float(offset),
    )


def with_units(columns: Columns, names: Sequence[str], units: Sequence[str]) -> Columns:
    """The same with units: as told, else as the headings or the row of units say, else the usual ones."""

    def filled(one: Column) -> Column:
        if one.unit is not None or one.role not in UNITS:
            return one
        texts = [row[one.index] for row in (units, names) if one.index < len(row)]
        said = unit_of(one.role, *texts)
        return replace(one, unit=said or _USUAL_UNIT[one.role], guessed=said is None)

    return replace(
        columns,
        columns=tuple(filled(one) for one in columns.columns),
        names=columns.names or tuple(name.strip()[:60] for name in names),
    )


def unit_of(role: str, *texts: str) -> str | None:
    """The unit a heading says, by its brackets, its last word, or a row of units below it."""
    units = UNITS.get(role, {})
    for text in texts:
        for words, unit in _UNIT_WORDS:
            if unit in units and re.search(
                rf'(^|[\s_(\[,/])({words})\s*(msl|agl|true)?\s*([)\]]|$)', text.strip().lower()
            ):
                return unit
    return None


_MARKS = str.maketrans({'ł': 'l', 'Ł': 'L', 'ø': 'o', 'Ø': 'O', 'ß': 'ss', 'æ': 'ae', 'đ': 'd'})
_USUAL_UNIT = {'height': 'm', 'speed': 'kt', 'airspeed': 'kt', 'vertical_speed': 'ft/min'}


def _plain(name: str) -> str:
    """A heading without case, brackets, units and punctuation."""
    text = unicodedata.normalize('NFKD', name.strip().translate(_MARKS))
    text = re.sub(r'([a-z])([A-Z])', r'\1 \2', ''.join(one for one in text if not unicodedata.combining(one)))
    text = re.sub(r'[(\[].*?[)\]]', ' ', text).lower()
    text = re.sub(r'[^a-z0-9/]+', ' ', text).strip()
    return re.sub(r' (ft|feet|m|meters|metres|kt|kts|knots|mph|kmh|km/h|m/s|mps|deg|degrees|fpm)$', '', text)


def guess_columns(names: Sequence[str], units: Sequence[str]) -> tuple[Column, ...]:
    """Which column is what, by headings and, where the file has one, the row of units below them."""
    plain = [_plain(name) for name in names]
    taken: set[int] = set()
    found: list[Column] = []
    for role, patterns in _NAMES:
        for pattern in patterns:
            index = next((k for k, name in enumerate(plain) if k not in taken and re.fullmatch(pattern, name)), None)
            if index is not None:
                said = unit_of(role, units[index] if index < len(units) else '', names[index])
                usual = _USUAL_UNIT.get(role)
                found.append(
                    Column(role=role, index=index, unit=said or usual, guessed=said is None and usual is not None)
                )
                taken.add(index)
                break
    return tuple(found)
