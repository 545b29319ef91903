"""CSV with any columns, separators, units and decimal comma: what it is taken for can be shown and corrected."""

from __future__ import annotations

import csv
import math
import re
from collections.abc import Iterator, Sequence
from dataclasses import replace
from datetime import date
from itertools import islice
from typing import Any

import numpy as np

from bullseye.core.basis.constants import FPS_PER_KT
from bullseye.core.basis.unknown import known_or
from bullseye.tracks.readers.columns import ROLES, UNITS, Column, Columns
from bullseye.tracks.readers.csvdetect import (
    LONGEST_CELL,
    cells_of,
    decimal_of,
    detect,
    first_figures,
    first_rows,
    lines_of,
    with_headings,
)
from bullseye.tracks.readers.times import DAY_S, across_midnight, iso_seconds
from bullseye.tracks.track import Floats, Track, UnreadableTrack, make_track

# [own] limits and habits of reading
_EARTH_FT_PER_DEG = 364_800.0  # near enough to tell knots from metres a second
_UNIX_MS = 1e11
_TEXTS = frozenset({'time', 'date', 'utc_offset'})
_ROWS_AT_ONCE, _MOST_ROWS = 5_000, 1_000_000  # a day at 10 Hz has 864,000
_ON_GROUND_WORDS = frozenset({'ground', 'gnd', 'on ground', 'sol', 'boden', 'tierra'})
_GROUND_FLAGS = _ON_GROUND_WORDS | {'1', '1.0', 'true', 'yes', 't', 'y', 'g', 'surface', 'onground'}
_AIR_FLAGS = frozenset({'0', '0.0', 'false', 'no', 'f', 'n', 'a', 'air', 'airborne', 'in air', 'flight'})
_DESCENDS_S, _FLYING_KT, _FEWEST_DESCENTS = 15.0, 40.0, 20
_LEVEL, _FT_OR_M = 0.012, 0.053  # steepness in the column's unit for each foot flown


def template(text: str) -> dict[str, Any]:
    """How a file is read, to be filled in by hand: every column with its first figures, what it may be, and units."""
    rows = [cells_of(line, first_rows(text)[0]) for line in lines_of(text)]
    first = known_or(first_figures(rows), 0)
    width = max((len(row) for row in rows), default=0)
    names = next((row for row in reversed(rows[:first]) if any(row)), [])
    shown = rows[first] if first < len(rows) else []
    return {
        'separator': first_rows(text)[0],
        'decimal': decimal_of(rows[first : first + 10], first_rows(text)[0]),
        'first_row': first,
        'utc_offset_min': 0,
        'columns': [
            {
                'role': None,
                'index': k,
                'unit': None,
                'name': names[k] if k < len(names) else '',
                'first': shown[k] if k < len(shown) else '',
            }
            for k in range(width)
        ],
        'roles': list(ROLES),
        'units': {role: list(units) for role, units in UNITS.items()},
    }


def read_csv(text: str, *, columns: Columns | None = None) -> Track:
    """Read a CSV file by what its columns are told to be, else by a guess.

    :raises UnreadableTrack: when they cannot be made out, or hold no times and places
    """
    how = detect(text) if columns is None else with_headings(text, columns)
    csv.field_size_limit(LONGEST_CELL)
    needed = max(one.index for one in how.columns) + 1
    table = _Table(how)
    try:
        lines = islice(_lines(text), how.first_row, None)
        table.read(csv.reader(lines, delimiter=how.separator), needed)
    except csv.Error as error:
        raise UnreadableTrack(f'the CSV file cannot be read: {error}') from None
    short = table.short
    if not table.count:
        raise UnreadableTrack('the CSV file has headings but no rows of figures')
    texts, numbers = table.texts.get, table.numbers

    time_s, dated = _times(texts('time') or [], texts('date'), texts('utc_offset'), how.decimal)
    time_s = time_s - 60 * how.utc_offset_min
    lat, lon = numbers('latitude'), numbers('longitude')
    if lat is None or lon is None or not np.isfinite(lat).any():
        raise UnreadableTrack('the columns taken for latitude and longitude hold no numbers')
    if not np.isfinite(time_s).any():
        raise UnreadableTrack('the column taken for the time holds no times that can be read')
    how = _height_unit(how, numbers('height'), time_s, lat, lon)
    warnings = _guesses(how)
    if short:
        warnings.append(f'{short} rows with too few columns were left out')
    if not dated:
        warnings.append('the file tells no date')
    how = _speed_unit(how, numbers('speed'), time_s, lat, lon)

    on_ground = table.on_ground()
    if on_ground is not None and how.find('on_ground') and not _fits(on_ground, time_s, lat, lon):
        on_ground = None
        warnings.append('what the file says of the wheels on the ground does not fit its speeds, and is not used')

    def scaled(role: str) -> Floats | None:
        found, column = numbers(role), how.find(role)
        return None if found is None or column is None else found * column.factor

    return make_track(
        format='csv',
        device=_device(how),
        dated=dated,
        warnings=tuple(warnings),
        time_s=time_s,
        lat_deg=lat,
        lon_deg=lon,
        height_ft=scaled('height'),
        speed_kt=scaled('speed'),
        course_deg_true=scaled('course'),
        airspeed_kt=scaled('airspeed'),
        heading_deg_true=scaled('heading'),
        pitch_deg=scaled('pitch'),
        bank_deg=scaled('bank'),
        vertical_speed_fpm=scaled('vertical_speed'),
        on_ground=on_ground,
    )


def _fits(on_ground: Floats, time_s: Floats, lat: Floats, lon: Floats) -> bool:
    """Whether it is slower on the ground than in the air: a flag may mean the opposite, or anything."""
    with np.errstate(divide='ignore', invalid='ignore'):
        moved = np.hypot(np.diff(lat), np.diff(lon) * np.cos(np.radians(lat[:-1]))) / np.diff(time_s)
    known = np.isfinite(moved)
    down, up = (moved[known & (on_ground[:-1] == says)] for says in (1.0, 0.0))
    return bool(down.size and up.size and np.median(down) < np.median(up))


def _lines(text: str) -> Iterator[str]:
    """Line by line, without a second copy of a large text."""
    if '\n' not in text:
        yield from text.splitlines()
        return
    start = 0
    while (end := text.find('\n', start)) >= 0:
        yield text[start : end + 1]
        start = end + 1
    if start < len(text):
        yield text[start:]


class _Table:
    """The columns of a CSV file, read some rows at a time: of what is a number only that is kept."""

    def __init__(self, how: Columns) -> None:
        self.how = how
        self.count, self.short = 0, 0
        self.texts: dict[str, list[str]] = {one.role: [] for one in how.columns if one.role in _TEXTS}
        self._numbers: dict[str, list[Floats]] = {one.role: [] for one in how.columns if one.role not in _TEXTS}
        self._words: list[Floats] = []

    def read(self, rows: Iterator[list[str]], needed: int) -> None:
        """Take rows in; those with too few cells are counted, those that are remarks left out.

        :raises UnreadableTrack: when there are more than any track has
        """
        while some := list(islice(rows, _ROWS_AT_ONCE)):
            full = [row for row in some if len(row) >= needed and not row[0].startswith('#')]
            self.short += sum(1 for row in some if row and len(row) < needed)
            self.count += len(full)
            if self.count > _MOST_ROWS:
                raise UnreadableTrack('the CSV file has more rows than a day has fixes; cut it into days')
            for one in self.how.columns:
                cells = [row[one.index] for row in full]
                if one.role in _TEXTS:
                    self.texts[one.role] += cells
                    continue
                if one.role == 'on_ground':
                    self._numbers[one.role].append(np.array([_flag(cell) for cell in cells]))
                    continue
                self._numbers[one.role].append(_numbers(cells, self.how.decimal))
                if one.role == 'height':
                    self._words.append(np.array([cell.strip().lower() in _ON_GROUND_WORDS for cell in cells], float))

    def numbers(self, role: str) -> Floats | None:
        """A column of numbers; None where the file has none of that role."""
        found = self._numbers.get(role)
        return None if found is None else np.concatenate(found)

    def on_ground(self) -> Floats | None:
        """1 where a column or a word for the height says so; None where none does."""
        flags = self.numbers('on_ground')
        if flags is not None and {0.0, 1.0} <= set(flags[np.isfinite(flags)].tolist()):
            return flags
        said = np.concatenate(self._words) if self._words else np.zeros(0)
        return said if said.any() else None


def _flag(cell: str) -> float:
    """Whether the wheels are on the ground, as a cell of such a column says it; NaN where it says nothing known."""
    word = cell.strip().lower()
    return 1.0 if word in _GROUND_FLAGS else 0.0 if word in _AIR_FLAGS else math.nan


def _device(how: Columns) -> str | None:
    """A name for files with the same headings, under which corrections are remembered."""
    return 'csv:' + how.separator + how.separator.join(how.names)[:200] if how.names else None


def _guesses(how: Columns) -> list[str]:
    said = []
    if how.by_content:
        named = ', '.join(f'{one.role} in {_name_of(how, one)!r}' for one in how.columns)
        said.append(
            f'the headings do not say what the columns are; by their figures: {named}; look whether that is right'
        )
    return said + [
        f'the unit of the column {_name_of(how, one)!r} is not said: {one.unit} taken'
        for one in how.columns
        if one.guessed and one.role != 'speed' and one.unit is not None
    ]


def _name_of(how: Columns, one: Column) -> str:
    return how.names[one.index] if one.index < len(how.names) else f'number {one.index + 1}'


def _numbers(texts: Sequence[str], decimal: str) -> Floats:
    if decimal == ',':
        texts = [text.replace('.', '').replace(',', '.') for text in texts]
    try:
        return np.array(texts, dtype=float)
    except ValueError:
        return np.array([_number(text) for text in texts])


def _number(text: str) -> float:
    try:
        return float(text)
    except ValueError:
        return float('nan')


def _times(
    times: Sequence[str], dates: Sequence[str] | None, offsets: Sequence[str] | None, decimal: str
) -> tuple[Floats, bool]:
    """Seconds since 1970 UTC, and whether the date is known."""
    stripped = [text.strip() for text in times]
    sample = next((text for text in stripped if text), '')
    shift = _offset_s(offsets)
    if re.fullmatch(r'\d{1,2}:\d{2}(:\d{2}([.,]\d+)?)?', sample):
        day_s = np.array([_clock(text) for text in stripped])
        if dates is None:
            known = np.isfinite(day_s)
            running = np.full(day_s.size, np.nan)
            running[known] = across_midnight(day_s[known])
            return running - shift, False
        cache = {text: _date_s(text) for text in set(dates)}
        return day_s + np.array([cache[text] for text in dates]) - shift, True
    if re.fullmatch(r'\d+([.,]\d+)?', sample):
        value = _numbers(stripped, decimal if ',' in sample else '.')
        value = value / 1_000 if np.nanmedian(value) > _UNIX_MS else value
        dated = bool(np.nanmedian(value) > 1e8)  # since 1970; a smaller number counts from the start of the recording
        return value, dated
    return iso_seconds([text.replace(' UTC', 'Z').replace(',', '.') for text in stripped]) - shift, True


def _clock(text: str) -> float:
    part = text.replace(',', '.').split(':')
    try:
        return int(part[0]) * 3600 + int(part[1]) * 60 + (float(part[2]) if len(part) > 2 else 0.0)
    except (ValueError, IndexError):
        return float('nan')


def _date_s(text: str) -> float:
    """Seconds of a day since 1970: year first, or day.month.year, or month/day/year."""
    found = re.findall(r'\d+', text)
    try:
        a, b, c = (int(part) for part in found[:3])
        if a > 31:
            day = date(a, b, c)
        elif '.' in text:
            day = date(c + (2000 if c < 100 else 0), b, a)
        else:
            day = date(c + (2000 if c < 100 else 0), a, b)
    except ValueError:
        return float('nan')
    return (day - date(1970, 1, 1)).days * DAY_S


def _offset_s(offsets: Sequence[str] | None) -> float:
    """How far local time is ahead of UTC [s]."""
    text = next((one.strip() for one in offsets or () if one.strip()), '')
    found = re.fullmatch(r'([+-]?)(\d{1,2}):?(\d{2})?', text)
    if not found:
        return 0.0
    sign = -1 if found.group(1) == '-' else 1
    return sign * (int(found.group(2)) * 3600 + int(found.group(3) or '0') * 60)


def _speed_unit(how: Columns, speed: Floats | None, time_s: Floats, lat: Floats, lon: Floats) -> Columns:
    """Where the file does not say the unit of the groundspeed, the one that fits the places."""
    column = how.find('speed')
    if speed is None or column is None or not column.guessed:
        return how
    with np.errstate(invalid='ignore', divide='ignore'):
        north, east = np.diff(lat), np.diff(lon) * np.cos(np.radians(lat[:-1]))
        dt = np.diff(time_s)
        moved_kt = np.hypot(north, east) * _EARTH_FT_PER_DEG / dt / FPS_PER_KT
        fine = np.isfinite(moved_kt) & np.isfinite(speed[:-1]) & (dt > 0) & (moved_kt > 20) & (moved_kt < 400)
        if fine.sum() < 20:
            return how
        ratio = float(np.median(moved_kt[fine] / np.maximum(speed[:-1][fine], 1e-6)))
    unit = min(UNITS['speed'], key=lambda name: abs(np.log(UNITS['speed'][name] / ratio)))
    fitted = Column(role='speed', index=column.index, unit=unit, guessed=True)
    return replace(how, columns=tuple(fitted if one.role == 'speed' else one for one in how.columns))


def _height_unit(how: Columns, height: Floats | None, time_s: Floats, lat: Floats, lon: Floats) -> Columns:
    """Where the file does not say the unit of the height, the one in which it comes down as aeroplanes do.

    Over a quarter of a minute the steepest tenth of a light aeroplane's descents is one foot in seven to fifteen
    [com: 500 ft/min at 70 kt is one in fourteen]; the same in metres would read one in 23 to 50.
    """
    column = how.find('height')
    if height is None or column is None or not column.guessed:
        return how
    north, east = np.diff(lat) * _EARTH_FT_PER_DEG, np.diff(lon) * np.cos(np.radians(lat[:-1])) * _EARTH_FT_PER_DEG
    step = np.diff(time_s)
    usual = float(np.median(step[step > 0])) if (step > 0).any() else 0.0
    lag = max(1, round(_DESCENDS_S / usual)) if usual else 0
    if not lag or time_s.size <= 2 * lag:
        return how
    flown = np.concatenate([[0.0], np.cumsum(np.hypot(north, east))])
    far, seconds = flown[lag:] - flown[:-lag], time_s[lag:] - time_s[:-lag]
    with np.errstate(invalid='ignore', divide='ignore'):
        moving = (seconds > 0) & (far / seconds > _FLYING_KT * FPS_PER_KT) & (far / seconds < 400 * FPS_PER_KT)
        steep = (height[:-lag] - height[lag:])[moving] / far[moving]
    steep = steep[np.isfinite(steep)]
    if steep.size < _FEWEST_DESCENTS:
        return how
    steepest = float(np.quantile(steep, 0.9))
    if not steepest > _LEVEL:  # it never climbed or descended: nothing tells
        return how
    unit = 'ft' if steepest > _FT_OR_M else 'm'
    fitted = replace(column, unit=unit)
    return replace(how, columns=tuple(fitted if one.role == 'height' else one for one in how.columns))
