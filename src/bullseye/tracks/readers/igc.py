"""IGC files: fixed columns, one fix a line [pub: FAI Sporting Code, IGC flight recorder specification, appendix A]."""

from __future__ import annotations

import re
from datetime import date

import numpy as np
from numpy.typing import NDArray

from bullseye.core.basis.constants import FPS_PER_KT, FT_PER_M
from bullseye.tracks.readers.times import DAY_S, across_midnight
from bullseye.tracks.track import Floats, Track, UnreadableTrack, make_track

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


def read_igc(text: str) -> Track:
    """Read the fixes of an IGC file.

    Heights are those of the receiver; of the pressure sensor where the receiver gives none. Extensions used: LAD, LOD
    and TDS (more digits), GSP, IAS and TAS (km/h; digits beyond three are decimals), TRT, HDT (degrees; the same).

    :raises UnreadableTrack: when it has no fixes
    """
    lines = [line for line in text.splitlines() if _FIX.match(line)]
    if not lines:
        raise UnreadableTrack('the file looks like IGC but holds no fixes')
    more = _extensions(text)
    width = max([35, *(end for _, end in more.values())])
    matrix = np.array([line.encode('ascii', 'replace').ljust(width)[:width] for line in lines], dtype=f'S{width}')
    rows: Bytes = matrix.view(np.uint8).reshape(len(lines), width)
    warnings = []

    def extra(code: str) -> Floats | None:
        """An extension, as a share of its own power of ten."""
        if code not in more:
            return None
        start, end = more[code]
        return _digits(rows, start, end) / 10.0 ** (end - start)

    def scaled(code: str, factor: float) -> Floats | None:
        share = extra(code)
        return None if share is None else share * 1_000 * factor

    def added(code: str) -> Floats | float:
        share = extra(code)
        return 0.0 if share is None else share

    def degrees(start: int, wide: int, negative: bytes, code: str) -> Floats:
        whole = _digits(rows, start, start + wide)
        minutes = (_digits(rows, start + wide, start + wide + 5) + added(code)) / 1_000
        sign = np.where(rows[:, start + wide + 5] == negative[0], -1.0, 1.0)
        return sign * (whole + minutes / 60)

    seconds = _digits(rows, 1, 3) * 3600 + _digits(rows, 3, 5) * 60 + _digits(rows, 5, 7) + added('TDS')
    day = next((found for line in text.splitlines() if (found := _DATE.match(line))), None)
    base_s = 0.0
    if day:
        d, m, y = (int(part) for part in day.groups())
        try:
            base_s = (date(2000 + y if y < 80 else 1900 + y, m, d) - date(1970, 1, 1)).days * DAY_S
        except ValueError:
            day = None
    if day is None:
        warnings.append('the file tells no date')
    receiver, pressure = _digits(rows, 30, 35), _digits(rows, 25, 30)
    height = receiver
    if not np.any(receiver):
        height = pressure if np.any(pressure) else np.full(len(lines), np.nan)
        warnings.append('the receiver gave no heights: those of the pressure sensor are used')
    airspeed = scaled('IAS', _KMH_TO_KT)
    return make_track(
        format='igc',
        device=_device(text),
        dated=day is not None,
        warnings=tuple(warnings),
        time_s=across_midnight(seconds) + base_s,
        lat_deg=degrees(7, 2, b'S', 'LAD'),
        lon_deg=degrees(15, 3, b'W', 'LOD'),
        height_ft=height * FT_PER_M,
        speed_kt=scaled('GSP', _KMH_TO_KT),
        course_deg_true=scaled('TRT', 1.0),
        airspeed_kt=airspeed if airspeed is not None else scaled('TAS', _KMH_TO_KT),
        heading_deg_true=scaled('HDT', 1.0),
    )


def _device(text: str) -> str | None:
    found = re.search(r'^HFFTY[^:]*:(.+)$', text, re.MULTILINE)
    return found.group(1).strip()[:80] or None if found else None
