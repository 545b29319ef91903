"""Whether the sun stands in the eyes on final."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import UTC, datetime, timedelta

from astral import Observer
from astral import sun as astral_sun

_EITHER_SIDE_DEG = 30.0  # [own]
_HIGHEST_DEG = 25.0  # [own]
_JUST_SET = timedelta(minutes=15)  # [own]
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
    """Minutes until sunset; 0 when it is down, None where it does not set within a day."""
    observer = Observer(latitude=lat_deg, longitude=lon_deg)
    if astral_sun.elevation(observer, at, with_refraction=False) < _SET_DEG:
        return 0.0
    for ahead in (-1, 0, 1):  # the next sunset may belong to another date in UTC
        try:
            sunset = astral_sun.sunset(observer, date=(at + timedelta(days=ahead)).date(), tzinfo=UTC)
        except ValueError:
            if ahead < 0:
                continue
            return None
        if sunset > at:
            return (sunset - at).total_seconds() / 60
        if at - sunset < _JUST_SET:
            return 0.0  # the sunset and the height of the sun are worked out apart, and differ by a minute
    return None
