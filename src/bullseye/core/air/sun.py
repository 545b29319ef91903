"""Whether the sun stands in the eyes on final."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import UTC, datetime, timedelta

from astral import Observer
from astral import sun as astral_sun
from astral.julian import julianday, julianday_to_juliancentury
from scipy.optimize import brentq

_EITHER_SIDE_DEG = 30.0  # [own]
_HIGHEST_DEG = 25.0  # [own]
_DAY_MIN = 1_440.0  # [pub: exact]
_TWILIGHT_DEG = -6.0  # [pub: civil twilight]
_SET_DEG = -0.833  # [pub: the sun's centre at sunset, by refraction and its own radius]


@dataclass(frozen=True, slots=True, kw_only=True)
class Sun:
    """Where the sun stands [°]: azimuth from true north, elevation above the horizon with refraction."""

    azimuth_deg_true: float
    elevation_deg: float


def sun_at(*, lat_deg: float, lon_deg: float, at: datetime) -> Sun:
    """Position of the sun at a place and an instant (with a zone). Source: the astral package, after [pub: NOAA]."""
    observer = Observer(latitude=lat_deg, longitude=lon_deg)
    return Sun(azimuth_deg_true=astral_sun.azimuth(observer, at), elevation_deg=astral_sun.elevation(observer, at))


def is_night(*, lat_deg: float, lon_deg: float, at: datetime) -> bool:
    """Whether it is night: the sun's centre more than 6° below the horizon, the end of evening civil twilight.

    Source: [pub: 14 CFR 1.1 "night", Part-FCL FCL.010, from memory]; the altitude without refraction, as almanacs
    define twilight.
    """
    observer = Observer(latitude=lat_deg, longitude=lon_deg)
    return bool(astral_sun.elevation(observer, at, with_refraction=False) < _TWILIGHT_DEG)


def is_in_the_eyes(sun: Sun, *, final_course_deg_true: float) -> bool:
    """Whether it dazzles on final: within 30° of the course and not higher than 25° [own]."""
    off_deg = (sun.azimuth_deg_true - final_course_deg_true + 180) % 360 - 180
    return abs(off_deg) <= _EITHER_SIDE_DEG and 0 <= sun.elevation_deg <= _HIGHEST_DEG


def daylight_left_min(*, lat_deg: float, lon_deg: float, at: datetime) -> float | None:
    """Minutes until sunset; 0 when it is down, None where it does not set within a day.

    The sun sinks from true noon to true midnight of the place, whatever the date in UTC is meanwhile: sunset is looked
    for on the way down of this day, then of the next.
    """
    observer = Observer(latitude=lat_deg, longitude=lon_deg)

    def above_deg(minutes: float) -> float:
        when = at + timedelta(minutes=minutes)
        return float(astral_sun.elevation(observer, when, with_refraction=False)) - _SET_DEG

    if above_deg(0.0) < 0:
        return 0.0
    after_midnight_min = _true_solar_min(lon_deg, at)
    for days in (0, 1):
        noon, midnight = (days * _DAY_MIN + half - after_midnight_min for half in (_DAY_MIN / 2, _DAY_MIN))
        start = max(0.0, noon)
        if start > _DAY_MIN or above_deg(midnight) > 0 or above_deg(start) < 0:
            continue
        sunset_min = float(brentq(above_deg, start, midnight, xtol=0.01))
        return sunset_min if sunset_min <= _DAY_MIN else None
    return None


def _true_solar_min(lon_deg: float, at: datetime) -> float:
    """Minutes since the sun was lowest, by the sundial of the place: 720 at noon. Source: [pub: NOAA], by astral."""
    utc = at.astimezone(UTC)
    century = julianday_to_juliancentury(julianday(utc))
    minutes = utc.hour * 60 + utc.minute + utc.second / 60 + 4 * lon_deg + astral_sun.eq_of_time(century)
    return float(minutes % _DAY_MIN)
