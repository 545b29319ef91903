"""What is kept of an analysed track to draw it again: a few columns, packed."""

from __future__ import annotations

import io
import math
from dataclasses import dataclass, fields
from typing import TYPE_CHECKING, Any

import numpy as np

from bullseye.core.air.geo import RunwayFrame
from bullseye.core.basis.constants import FPS_PER_KT, GRAVITY_FPS2
from bullseye.tracks.track import Floats

if TYPE_CHECKING:  # who only draws a flight need not load the analysis
    from bullseye.tracks.analyse import Analysis

# [own], tuned on simulated flights that bench/tracks.py does not use
_STANDING_FPS = 15 * FPS_PER_KT
_BANK_OVER_S = 1.5  # a bank is held, not twitched: what is shorter is the receiver's noise [own]


@dataclass(frozen=True, slots=True, kw_only=True)
class FlightLog:
    """A cleaned and smoothed track; arrays of one length, NaN where unknown.

    Heights are above the sea, tied to the runways the wheels were on. ``bank_deg`` is right positive: as recorded, else
    what the ground track needs in still air [own: see docs/model.md].
    """

    time_s: Floats
    lat_deg: Floats
    lon_deg: Floats
    height_ft: Floats
    groundspeed_kt: Floats
    airspeed_kt: Floats
    climb_fpm: Floats
    bank_deg: Floats

    @property
    def count(self) -> int:
        """How many fixes."""
        return int(self.time_s.size)

    def between(self, from_s: float, to_s: float) -> FlightLog:
        """The part between two times."""
        first, last = np.searchsorted(self.time_s, [from_s, to_s])
        return FlightLog(**{name: getattr(self, name)[first : last + 1] for name in NAMES})


NAMES = tuple(one.name for one in fields(FlightLog))
_FINE = ('time_s', 'lat_deg', 'lon_deg')  # need all their digits; the others half of them


def log_of(analysis: Analysis) -> FlightLog:
    """The columns of an analysis."""
    motion = analysis.motion
    tied = np.isfinite(analysis.height_ft)
    lat, lon = _places(motion.frame, motion.north_ft, motion.east_ft)
    return FlightLog(
        time_s=motion.time_s,
        lat_deg=lat,
        lon_deg=lon,
        height_ft=np.where(tied, analysis.height_ft, motion.height_ft),
        groundspeed_kt=motion.speed_fps / FPS_PER_KT,
        airspeed_kt=analysis.track.airspeed_kt,
        climb_fpm=motion.climb_fps * 60,
        bank_deg=_bank(analysis),
    )


def _places(frame: RunwayFrame, north_ft: Floats, east_ft: Floats) -> tuple[Floats, Floats]:
    """Latitudes and longitudes of places on a plane; the plane is flat, so one degree is as long everywhere on it."""
    lat_0, lon_0 = frame.place(along_ft=0.0)
    lat_1, _ = frame.place(along_ft=1.0)
    _, lon_1 = frame.place(along_ft=0.0, lateral_ft=1.0)
    return lat_0 + north_ft * (lat_1 - lat_0), (lon_0 + east_ft * (lon_1 - lon_0) + 180) % 360 - 180


def _bank(analysis: Analysis) -> Floats:
    recorded = analysis.track.bank_deg
    if np.isfinite(recorded).mean() > 0.5:
        return recorded
    motion = analysis.motion
    if motion.time_s.size < 3:
        return np.full(motion.time_s.size, np.nan)
    rate = np.gradient(np.unwrap(motion.course_rad), motion.time_s)
    bank = np.degrees(np.arctan(motion.speed_fps * rate / GRAVITY_FPS2))
    step = max(float(np.median(np.diff(motion.time_s))), 1e-3)
    width = max(1, round(_BANK_OVER_S / step))
    if 1 < width < bank.size:
        bank = np.convolve(bank, np.ones(width) / width, mode='same')
    found: Floats = np.where(motion.speed_fps > _STANDING_FPS, bank, 0.0)
    return found


def pack(log: FlightLog) -> bytes:
    """As bytes to keep."""
    out = io.BytesIO()
    columns = {name: getattr(log, name) for name in NAMES}
    np.savez_compressed(out, **{k: v if k in _FINE else v.astype(np.float32) for k, v in columns.items()})
    return out.getvalue()


def unpack(data: bytes) -> FlightLog:
    """Back from :func:`pack`."""
    with np.load(io.BytesIO(data), allow_pickle=False) as kept:
        return FlightLog(**{name: kept[name].astype(float) for name in NAMES})


def _list(values: Floats, digits: int) -> list[float | None]:
    return [round(v, digits) if math.isfinite(v) else None for v in values.tolist()]


def on_runway(log: FlightLog, frame: RunwayFrame, *, elevation_ft: float, zero_s: float) -> dict[str, Any]:
    """A part of a log on a runway's axes, as plain columns for drawing.

    :param zero_s: the moment that seconds are counted from
    """
    along, lateral = frame.locate_all(lat_deg=log.lat_deg, lon_deg=log.lon_deg)
    return {
        'time_s': _list(log.time_s - zero_s, 2),
        'along_ft': _list(along, 1),
        'lateral_ft': _list(lateral, 1),
        'height_ft': _list(log.height_ft - elevation_ft, 1),
        'groundspeed_kt': _list(log.groundspeed_kt, 1),
        'airspeed_kt': _list(log.airspeed_kt, 1) if np.isfinite(log.airspeed_kt).any() else None,
        'climb_fpm': _list(log.climb_fpm, 0),
        'bank_deg': _list(log.bank_deg, 1),
    }
