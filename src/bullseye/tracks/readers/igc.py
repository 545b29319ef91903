"""IGC files: fixed columns, one fix a line [pub: FAI Sporting Code, IGC flight recorder specification, appendix A]."""

from __future__ import annotations

import re
from datetime import date

import numpy as np
from numpy.typing import NDArray

from bullseye.core.basis.constants import FPS_PER_KT, FT_PER_M
from bullseye.core.basis.unknown import known_or
from bullseye.tracks.readers.times import DAY_S, across_midnight
from bullseye.tracks.track import Floats, Track, UnreadableTrack, make_track

# [own] limits and habits of reading
_FIX = re.compile(r'^B\d{6}\d{7}[NS]\d{8}[EW][AV](?:-\d{4}|\d{5})(?:-\d{4}|\d{5})')
_DATE = re.compile(r'^HFDTE(?:DATE:)?\s*(\d{2})(\d{2})(\d{2})')
_EXTENSION = re.compile(r'(\d{2})(\d{2})([A-Z]{3})')
_KMH_TO_KT = FT_PER_M / 3.6 / FPS_PER_KT
Bytes = NDArray[np.uint8]


def looks_like_igc(text: str) -> bool:
    """Whether the file begins as the format says, or has its fixes."""
    first = text.lstrip()[:7]
    return bool(re.match(r'A[A-Z0-9]{3}', first) and re.search(r'^[BH]', text, re.MULTILINE)) or bool(
        re.search(_FIX.pattern, text, re.MULTILINE)
    )


def _digits(lines: Bytes, start: int, end: int) -> Floats:
    """The number in columns ``start`` to ``end`` (from 0, the end left out) of every line, its minus sign read."""
    cut = lines[:, start:end].astype(np.int64)
    minus = cut[:, 0] == ord('-')
    cut = np.where((cut >= ord('0')) & (cut <= ord('9')), cut - ord('0'), 0)
    value = cut @ (10 ** np.arange(end - start - 1, -1, -1))
    return np.where(minus, -value, value).astype(float)


def _extensions(text: str) -> dict[str, tuple[int, int]]:
    """Where a fix holds more: code to columns, from 0, the end left out."""
    found = re.search(r'^I\d{2}((?:\d{4}[A-Z]{3})+)', text, re.MULTILINE)
    if not found:
        return {}
    return {code: (int(a) - 1, int(b)) for a, b, code in _EXTENSION.findall(found.group(1)) if 35 < int(a) <= int(b)}


class _Fixes:
    """The fixes of a file as a matrix of characters, with what its extensions add."""

    def __init__(self, lines: list[str], more: dict[str, tuple[int, int]]) -> None:
        width = max([35, *(end for _, end in more.values())])
        matrix = np.array([line.encode('ascii', 'replace').ljust(width)[:width] for line in lines], dtype=f'S{width}')
        self.rows: Bytes = matrix.view(np.uint8).reshape(len(lines), width)
        self._more = more

    def extension(self, code: str) -> Floats | None:
        """An extension, as a share of its own power of ten; None when the file has it not."""
        if code not in self._more:
            return None
        start, end = self._more[code]
        return _digits(self.rows, start, end) / 10.0 ** (end - start)

    def scaled(self, code: str, factor: float) -> Floats | None:
        """An extension of three whole digits, in another unit."""
        share = self.extension(code)
        return None if share is None else share * 1_000 * factor

    def added(self, code: str) -> Floats | float:
        """An extension that adds digits; nothing when the file has it not."""
        share = self.extension(code)
        return 0.0 if share is None else share

    def degrees(self, start: int, wide: int, negative: bytes, code: str) -> Floats:
        """Degrees and minutes in columns from ``start``, with the digits that an extension adds."""
        whole = _digits(self.rows, start, start + wide)
        minutes = (_digits(self.rows, start + wide, start + wide + 5) + self.added(code)) / 1_000
        sign = np.where(self.rows[:, start + wide + 5] == negative[0], -1.0, 1.0)
        return sign * (whole + minutes / 60)

    def time_of_day_s(self) -> Floats:
        """Seconds since midnight UTC."""
        rows = self.rows
        return _digits(rows, 1, 3) * 3600 + _digits(rows, 3, 5) * 60 + _digits(rows, 5, 7) + self.added('TDS')

    def height_m(self) -> tuple[Floats, str | None]:
        """Heights of the receiver, else of the pressure sensor, and what is to be said of them."""
        receiver, pressure = _digits(self.rows, 30, 35), _digits(self.rows, 25, 30)
        if np.any(receiver):
            return receiver, None
        height = pressure if np.any(pressure) else np.full(len(self.rows), np.nan)
        return height, 'the receiver gave no heights: those of the pressure sensor are used'


def _midnight_s(text: str) -> float | None:
    """Midnight of the day of the file, in seconds since 1970 UTC; None when it tells no day there is."""
    day = next((found for line in text.splitlines() if (found := _DATE.match(line))), None)
    if day is None:
        return None
    d, m, y = (int(part) for part in day.groups())
    try:
        return (date(2000 + y if y < 80 else 1900 + y, m, d) - date(1970, 1, 1)).days * DAY_S
    except ValueError:
        return None


def read_igc(text: str) -> Track:
    """Read the fixes of an IGC file.

    Heights are those of the receiver; of the pressure sensor where the receiver gives none. Extensions used: LAD, LOD
    and TDS (more digits), GSP, IAS and TAS (km/h; digits beyond three are decimals), TRT, HDT (degrees; the same).

    :raises UnreadableTrack: when it has no fixes
    """
    lines = [line for line in text.splitlines() if _FIX.match(line)]
    if not lines:
        raise UnreadableTrack('the file looks like IGC but holds no fixes')
    fixes = _Fixes(lines, _extensions(text))
    midnight_s = _midnight_s(text)
    height_m, about_heights = fixes.height_m()
    warnings = ['the file tells no date'] if midnight_s is None else []
    airspeed = fixes.scaled('IAS', _KMH_TO_KT)
    return make_track(
        format='igc',
        device=_device(text),
        dated=midnight_s is not None,
        warnings=(*warnings, *([about_heights] if about_heights else [])),
        time_s=across_midnight(fixes.time_of_day_s()) + known_or(midnight_s, 0.0),
        lat_deg=fixes.degrees(7, 2, b'S', 'LAD'),
        lon_deg=fixes.degrees(15, 3, b'W', 'LOD'),
        height_ft=height_m * FT_PER_M,
        speed_kt=fixes.scaled('GSP', _KMH_TO_KT),
        course_deg_true=fixes.scaled('TRT', 1.0),
        airspeed_kt=airspeed if airspeed is not None else fixes.scaled('TAS', _KMH_TO_KT),
        heading_deg_true=fixes.scaled('HDT', 1.0),
    )


def _device(text: str) -> str | None:
    found = re.search(r'^HFFTY[^:]*:(.+)$', text, re.MULTILINE)
    return found.group(1).strip()[:80] or None if found else None
