"""Which column of a CSV file holds what, by its figures: a column of latitudes is one in any language.

Only what can be checked is told so: times that run, places that move, a groundspeed that fits them, a course that is
theirs. A height could be anything that changes slowly, and is left to its heading or to the user.
"""

from __future__ import annotations

import math
import re
from collections.abc import Sequence
from itertools import pairwise

import numpy as np

from bullseye.core.basis.constants import FPS_PER_KT
from bullseye.tracks.readers.columns import UNITS, Column
from bullseye.tracks.track import Floats

# [own] limits and habits of reading
_CLOCK = re.compile(r'\d{1,2}:\d{2}(:\d{2}([.,]\d+)?)?')
_ISO = re.compile(r'\d{4}-\d{2}-\d{2}[T ]\d{2}:\d{2}.*')
_DATE = re.compile(r'(\d{4}[-/.]\d{1,2}[-/.]\d{1,2}|\d{1,2}[-/.]\d{1,2}[-/.]\d{2,4})')
_FEW, _MOST = 20, 400  # rows that are looked at
_DECIMALS = 4  # of a degree at least: eleven metres
_FAR_DEG = 15.0  # no flight is longer
_FT_PER_DEG = 364_800.0
_FITS = 0.06  # by which a unit of speed may be off
_COURSE_OFF_DEG = 12.0
_MOVING_KT = 25.0


def columns_by_content(rows: Sequence[Sequence[str]], *, decimal: str, known: Sequence[Column]) -> tuple[Column, ...]:
    """Columns that the figures tell, beside those that are known; of too few rows none.

    :param rows: of figures, all with as many cells
    """
    rows = rows[:_MOST]
    if len(rows) < _FEW:
        return ()
    taken = {one.index for one in known}
    roles = {one.role for one in known}
    texts = {k: [row[k].strip() for row in rows] for k in range(len(rows[0])) if k not in taken}
    found: list[Column] = []

    def take(role: str, index: int | None, unit: str | None = None) -> None:
        if index is not None and role not in roles:
            found.append(Column(role=role, index=index, unit=unit, guessed=True))
            roles.add(role)
            texts.pop(index, None)

    if 'time' not in roles:
        take('time', _time_of(texts, decimal))
    if 'date' not in roles:
        take('date', next((k for k, cells in texts.items() if _all(_DATE, cells)), None))
    figures = {k: values for k, cells in texts.items() if (values := _figures(cells, decimal)) is not None}
    if not {'latitude', 'longitude'} & roles:
        pair = _places(figures, texts, decimal)
        if pair is not None:
            take('latitude', pair[0])
            take('longitude', pair[1])
    everything = [*known, *found]
    motion = _motion(rows, everything, decimal)
    if motion is not None:
        left = {k: values for k, values in figures.items() if k in texts}
        if 'speed' not in roles:
            take('speed', *_speed_of(left, motion[0]))
        if 'course' not in roles:
            take('course', _course_of({k: v for k, v in left.items() if k in texts}, *motion))
    return tuple(found)


def _all(pattern: re.Pattern[str], cells: Sequence[str]) -> bool:
    filled = [cell for cell in cells if cell]
    return len(filled) > len(cells) // 2 and all(pattern.fullmatch(cell) for cell in filled)


def _figures(cells: Sequence[str], decimal: str) -> Floats | None:
    """Figures of a column; None where most of it is none."""
    plain = [cell.replace('.', '').replace(',', '.') if decimal == ',' else cell for cell in cells]
    values = np.array([_figure(cell) for cell in plain])
    return values if np.isfinite(values).mean() > 0.8 else None


def _figure(text: str) -> float:
    try:
        found = float(text)
    except ValueError:
        return math.nan
    return found if math.isfinite(found) else math.nan


def _time_of(texts: dict[int, list[str]], decimal: str) -> int | None:
    """A column of clock times or moments, else one of numbers that grow from row to row by hardly changing steps."""
    for pattern in (_ISO, _CLOCK):
        for k, cells in texts.items():
            if _all(pattern, cells):
                return k
    for k, cells in texts.items():
        values = _figures(cells, decimal)
        if values is None or not np.isfinite(values).all():
            continue
        steps = np.diff(values)
        usual = float(np.median(steps))
        if usual > 0 and (steps >= 0).all() and float((np.abs(steps - usual) <= 0.5 * usual).mean()) > 0.9:
            return k
    return None


def _decimals(cells: Sequence[str], decimal: str) -> float:
    return float(np.median([len(cell.partition(decimal)[2]) for cell in cells if cell] or [0]))


def _places(figures: dict[int, Floats], texts: dict[int, list[str]], decimal: str) -> tuple[int, int] | None:
    """Columns of latitude and longitude: both fine, both moving little; latitude comes first where either may be it."""
    likely = []
    for k, values in figures.items():
        seen = values[np.isfinite(values)]
        steps = np.abs(np.diff(seen))
        if (
            seen.size >= _FEW
            and np.abs(seen).max() <= 180
            and 0 < np.ptp(seen) < _FAR_DEG
            and _decimals(texts[k], decimal) >= _DECIMALS
            and float(np.median(steps)) < 0.05
        ):
            likely.append((k, float(np.abs(seen).max()) <= 90))
    for (first, is_low), (second, other_is_low) in pairwise(likely):
        if is_low:
            return first, second
        if other_is_low:
            return second, first
    return None


def _motion(rows: Sequence[Sequence[str]], columns: Sequence[Column], decimal: str) -> tuple[Floats, Floats] | None:
    """Groundspeed [kt] and course [°] from place to place; None without places and times."""
    by_role = {one.role: one.index for one in columns}
    if not {'time', 'latitude', 'longitude'} <= by_role.keys():
        return None
    lat, lon = (_figures([row[by_role[name]].strip() for row in rows], decimal) for name in ('latitude', 'longitude'))
    seconds = _seconds([row[by_role['time']].strip() for row in rows], decimal)
    if lat is None or lon is None or seconds is None:
        return None
    north = np.diff(lat) * _FT_PER_DEG
    east = np.diff(lon) * _FT_PER_DEG * np.cos(np.radians(lat[:-1]))
    with np.errstate(divide='ignore', invalid='ignore'):
        speed = np.hypot(north, east) / np.diff(seconds) / FPS_PER_KT
    return speed, np.degrees(np.arctan2(east, north)) % 360


def _seconds(cells: Sequence[str], decimal: str) -> Floats | None:
    """Seconds of the cells, from any beginning; None where they cannot be read."""
    clocks = [re.search(r'(\d{1,2}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?', cell) for cell in cells]
    if all(clocks):
        found = np.array(
            [
                int(one.group(1)) * 3600 + int(one.group(2)) * 60 + float((one.group(3) or '0').replace(',', '.'))
                for one in clocks
                if one is not None
            ]
        )
        return np.asarray(np.unwrap(found, period=86_400.0), float)
    values = _figures(cells, decimal)
    if values is None:
        return None
    return values / 1_000 if float(np.nanmedian(values)) > 1e11 else values


def _speed_of(figures: dict[int, Floats], speed_kt: Floats) -> tuple[int | None, str | None]:
    """The column that goes with the speed from place to place, and the unit that it then has."""
    moving = np.isfinite(speed_kt) & (speed_kt > _MOVING_KT) & (speed_kt < 400)
    if moving.sum() < _FEW:
        return None, None
    for k, values in figures.items():
        seen = values[:-1]
        fine = moving & np.isfinite(seen) & (seen > 0)
        if fine.sum() < _FEW:
            continue
        ratios = speed_kt[fine] / seen[fine]
        ratio = float(np.median(ratios))
        unit = min(UNITS['speed'], key=lambda name: abs(math.log(UNITS['speed'][name] / max(ratio, 1e-9))))
        close = abs(UNITS['speed'][unit] / ratio - 1) < _FITS if ratio > 0 else False
        if close and float((np.abs(ratios / ratio - 1) < 0.15).mean()) > 0.8:
            return k, unit
    return None, None


def _course_of(figures: dict[int, Floats], speed_kt: Floats, course_deg: Floats) -> int | None:
    """The column that goes with the direction from place to place."""
    moving = np.isfinite(speed_kt) & (speed_kt > _MOVING_KT)
    for k, values in figures.items():
        seen = values[:-1]
        fine = moving & np.isfinite(seen)
        if fine.sum() < _FEW or np.nanmin(values) < 0 or np.nanmax(values) > 360:
            continue
        off = np.abs((seen[fine] - course_deg[fine] + 180) % 360 - 180)
        if float(np.median(off)) < _COURSE_OFF_DEG and np.ptp(seen[fine]) > 20:
            return k
    return None
