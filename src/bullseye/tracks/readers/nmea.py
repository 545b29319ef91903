"""NMEA 0183: GGA, RMC and VTG sentences of any talker [pub: NMEA 0183; value from memory]."""

from __future__ import annotations

import math
import re
from dataclasses import dataclass, field
from datetime import date

import numpy as np

from bullseye.core.basis.constants import FT_PER_M
from bullseye.tracks.readers.times import DAY_S, across_midnight
from bullseye.tracks.track import Track, UnreadableTrack, make_track

# [own] limits and habits of reading
_SENTENCE = re.compile(r'^[!$]([A-Z]{2})([A-Z]{3}),([^*\r\n]*)(?:\*([0-9A-Fa-f]{2}))?')
_NAN = float('nan')


def looks_like_nmea(text: str) -> bool:
    """Whether a position sentence stands near the start."""
    return bool(re.search(r'^\$[A-Z]{2}(GGA|RMC|VTG|GSA|GSV|GLL),', text, re.MULTILINE))


def checksum(body: str) -> int:
    """Exclusive or of all characters between ``$`` and ``*``."""
    value = 0
    for byte in body.encode('ascii', 'replace'):
        value ^= byte
    return value


def _degrees(text: str, side: str, wide: int) -> float:
    try:
        value = int(text[:wide]) + float(text[wide:]) / 60
    except ValueError:
        return _NAN
    return -value if side in ('S', 'W') else value


def _number(text: str) -> float:
    try:
        return float(text) if text else _NAN
    except ValueError:
        return _NAN


def _time_of_day(text: str) -> float:
    try:
        return int(text[:2]) * 3600 + int(text[2:4]) * 60 + float(text[4:])
    except ValueError:
        return _NAN


@dataclass
class _Log:
    """Fixes as they come out of the sentences."""

    fixes: list[list[float]] = field(default_factory=list)  # time of day, lat, lon, height, speed, course
    days: list[float] = field(default_factory=list)  # of each fix, since 1970; NaN where its sentences tell none
    wrong: int = 0
    void: int = 0

    def take(self, line: str) -> None:
        """Note one sentence; what is none, or of another kind, is passed over."""
        found = _SENTENCE.match(line.strip())
        if not found:
            return
        talker, kind, body, given = found.groups()
        if kind not in ('GGA', 'RMC', 'VTG'):
            return
        if given and checksum(f'{talker}{kind},{body}') != int(given, 16):
            self.wrong += 1
            return
        part = body.split(',')
        if kind == 'VTG':
            if self.fixes and len(part) >= 5:
                self._motion(_number(part[4]), _number(part[0]))
        elif len(part) >= 9:
            self._place(kind, part)

    def _place(self, kind: str, part: list[str]) -> None:
        place = part[1:5] if kind == 'GGA' else part[2:6]
        lat, lon = _degrees(place[0], place[1], 2), _degrees(place[2], place[3], 3)
        valid = part[5] not in ('', '0') if kind == 'GGA' else part[1] == 'A'
        if not valid or math.isnan(lat):
            self.void += 1
            return
        at = _time_of_day(part[0])
        if not self.fixes or self.fixes[-1][0] != at:
            self.fixes.append([at, lat, lon, _NAN, _NAN, _NAN])
            self.days.append(_NAN)
        if kind == 'GGA':
            self.fixes[-1][1:4] = [lat, lon, _number(part[8]) * FT_PER_M]
        else:
            self._motion(_number(part[6]), _number(part[7]))
            self.days[-1] = _day(part[8])

    def _motion(self, speed_kt: float, course_deg: float) -> None:
        self.fixes[-1][4:6] = [_better(speed_kt, self.fixes[-1][4]), _better(course_deg, self.fixes[-1][5])]


def read_nmea(text: str) -> Track:
    """Read a log: sentences of the same time make one fix; those with a wrong checksum are left out.

    :raises UnreadableTrack: when no sentence gives a place
    """
    log = _Log()
    for line in text.splitlines():
        log.take(line)
    if not log.fixes:
        raise UnreadableTrack('the NMEA log holds no sentence with a place (GGA or RMC)')
    columns, days = np.array(log.fixes).T, np.array(log.days)
    dated = bool(np.isfinite(days).any())
    time_s = across_midnight(columns[0])
    if dated:
        # each dated fix says when its day began; the others follow the nearest before them
        base = np.where(np.isfinite(days), days * DAY_S + columns[0] - time_s, np.nan)
        known = np.flatnonzero(np.isfinite(base))
        before = np.clip(np.searchsorted(known, np.arange(base.size), 'right') - 1, 0, None)
        time_s = time_s + base[known[before]]
    warnings = []
    if log.wrong:
        warnings.append(f'{log.wrong} sentences with a wrong checksum were left out')
    if log.void:
        warnings.append(f'{log.void} sentences without a valid place were left out')
    if not dated:
        warnings.append('the log tells no date')
    return make_track(
        format='nmea',
        dated=dated,
        warnings=tuple(warnings),
        time_s=time_s,
        lat_deg=columns[1],
        lon_deg=columns[2],
        height_ft=columns[3],
        speed_kt=columns[4],
        course_deg_true=columns[5],
    )


def _better(first: float, second: float) -> float:
    return second if math.isnan(first) else first


def _day(text: str) -> float:
    """Days since 1970 of ddmmyy; NaN for what is none."""
    try:
        year = int(text[4:6])
        return float(
            (date(2000 + year if year < 80 else 1900 + year, int(text[2:4]), int(text[:2])) - date(1970, 1, 1)).days
        )
    except ValueError:
        return _NAN
