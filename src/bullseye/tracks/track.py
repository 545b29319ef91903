"""A recorded track: one array a column, whatever wrote the file."""

from __future__ import annotations

from dataclasses import dataclass, field, fields, replace
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from bullseye.core.basis.errors import BullseyeError

Floats = NDArray[np.float64]
Format = Literal['gpx', 'igc', 'nmea', 'csv', 'device']

# [own], tuned on simulated flights that bench/tracks.py does not use
MOST_BYTES = 50_000_000
LONGEST_S = 24 * 3600.0
FEWEST_FIXES = 5


class UnreadableTrack(BullseyeError, ValueError):
    """A file that is not a track, or one that breaks a limit; the message is for the person who gave it."""

    code = 'unreadable_track'


@dataclass(frozen=True, slots=True, kw_only=True)
class Track:
    """Fixes in the order of the file; every array has the same length, NaN stands for what was not recorded.

    Times are seconds since 1970 UTC, angles degrees true, heights above sea level or the ellipsoid, as the device
    wrote them: no height of a receiver is trusted before it has been tied to a runway.
    """

    time_s: Floats
    lat_deg: Floats
    lon_deg: Floats
    height_ft: Floats
    speed_kt: Floats
    course_deg_true: Floats
    airspeed_kt: Floats
    heading_deg_true: Floats
    pitch_deg: Floats
    bank_deg: Floats
    vertical_speed_fpm: Floats
    on_ground: Floats  # 1 with the wheels on the ground, 0 in the air
    format: Format
    device: str | None = None
    dated: bool = True  # False: the file tells only the time of day, counted from 1970-01-01
    warnings: tuple[str, ...] = field(default=())

    @property
    def count(self) -> int:
        """How many fixes."""
        return int(self.time_s.size)

    def has(self, column: str) -> bool:
        """Whether a column was recorded at all."""
        return bool(np.isfinite(getattr(self, column)).any())

    def only(self, keep: NDArray[np.bool_] | NDArray[np.intp], *, warnings: tuple[str, ...] = ()) -> Track:
        """Some of its fixes, in the order given, with warnings added."""
        cut = {name: getattr(self, name)[keep] for name in COLUMNS}
        return replace(self, **cut, warnings=(*self.warnings, *warnings))


COLUMNS = tuple(one.name for one in fields(Track) if one.type == 'Floats')


def make_track(
    *,
    format: Format,
    device: str | None = None,
    dated: bool = True,
    warnings: tuple[str, ...] = (),
    **columns: Floats | None,
) -> Track:
    """A track from the columns a file has; the others are unknown.

    :param columns: by the names of :class:`Track`, ``time_s``, ``lat_deg`` and ``lon_deg`` among them
    :raises UnreadableTrack: when fewer than five fixes are left to look at
    """
    time_s = columns['time_s']
    count = 0 if time_s is None else time_s.size
    if count < FEWEST_FIXES:
        raise UnreadableTrack(f'only {count} fixes with time and place in the file; a track needs more')
    filled = {}
    for name in COLUMNS:
        values = columns.pop(name, None)
        filled[name] = np.full(count, np.nan) if values is None else np.asarray(values, dtype=float)
    if columns:
        raise TypeError(f'no such column: {", ".join(columns)}')
    return Track(**filled, format=format, device=device, dated=dated, warnings=warnings)
