"""A simulated recorder: samples a flown flight at a rate, with the errors its receiver makes."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import UTC, datetime
from typing import Any

import numpy as np
from numpy.typing import NDArray

from bullseye.sim.air import KT
from bullseye.sim.flight import Flown
from bullseye.sim.motion import STEP_S

Floats = NDArray[np.float64]
EPOCH = datetime(2026, 5, 14, 8, 30, tzinfo=UTC)


@dataclass(frozen=True, kw_only=True)
class Errors:
    """Errors of a receiver, per axis; heights and places in feet, times of correlation in seconds."""

    horizontal_ft: float = 0.0
    horizontal_s: float = 60.0
    white_ft: float = 0.0
    height_ft: float = 0.0
    height_s: float = 90.0
    height_white_ft: float = 0.0
    height_offset_ft: float = 0.0  # within so much either way
    height_step_ft: float = 0.0  # in which heights are written
    speed_kt: float = 0.0
    speed_step_kt: float = 0.0  # in which speeds are written
    course_step_deg: float = 0.0


CLEAN = Errors()
GNSS = Errors(
    horizontal_ft=6.0, white_ft=1.5, height_ft=12.0, height_white_ft=1.5, height_offset_ft=120.0, speed_kt=0.25
)
WHOLE_METRES = replace(CLEAN, height_step_ft=1 / 0.3048)
# A pressure cell instead of a receiver's heights: it wanders little, and reads what the weather makes of it
BAROMETRIC = replace(
    GNSS, height_ft=8.0, height_s=600.0, height_white_ft=0.0, height_offset_ft=400.0, height_step_ft=25.0
)
# What a receiver on the ground writes down of what aeroplanes send [com]: a barometric height for the standard
# atmosphere in steps of 25 ft, places good to a wingspan, whole knots
HEARD_ON_GROUND = Errors(
    horizontal_ft=12.0,
    white_ft=6.0,
    height_ft=8.0,
    height_s=600.0,
    height_offset_ft=400.0,
    height_step_ft=25.0,
    speed_kt=0.4,
    speed_step_kt=1.0,
    course_step_deg=1.0,
)
ERRORS = {
    'clean': CLEAN,
    'gnss': GNSS,
    'whole-metres': WHOLE_METRES,
    'barometric': BAROMETRIC,
    'heard': HEARD_ON_GROUND,
}


@dataclass(frozen=True, kw_only=True)
class Recorder:
    """How a device records."""

    rate_hz: float = 1.0
    errors: Errors = CLEAN
    with_speed: bool = True
    with_attitude: bool = False
    with_airspeed: bool = False
    zero_on_ground: bool = False  # a height of 0 is written while the wheels are on the ground
    dropouts: Sequence[tuple[float, float]] = ()  # seconds from the start, from and to
    start: datetime = EPOCH


@dataclass(frozen=True)
class Recording:
    """What a device has written down: an array a column, NaN where it has none."""

    start: datetime
    time_s: Floats  # from the start
    lat_deg: Floats
    lon_deg: Floats
    height_ft: Floats
    speed_kt: Floats | None
    course_deg: Floats | None
    airspeed_kt: Floats | None
    heading_deg: Floats | None
    pitch_deg: Floats | None
    bank_deg: Floats | None
    truth: dict[str, Any]

    def between(self, keep: NDArray[np.bool_]) -> Recording:
        """Only some of its fixes."""
        names = ('time_s', 'lat_deg', 'lon_deg', 'height_ft', 'speed_kt', 'course_deg', 'airspeed_kt')
        more = ('heading_deg', 'pitch_deg', 'bank_deg')
        cut = {n: v[keep] for n in (*names, *more) if (v := getattr(self, n)) is not None}
        return replace(self, **cut)


def _correlated(rng: np.random.Generator, count: int, dt_s: float, sd: float, time_s: float) -> Floats:
    """A first-order Gauss–Markov process sampled evenly."""
    if not sd:
        return np.zeros(count)
    keep = np.exp(-dt_s / time_s)
    out = np.empty(count)
    kicks = rng.normal(0, sd * np.sqrt(1 - keep**2), count)
    out[0] = rng.normal(0, sd)
    for k in range(1, count):
        out[k] = out[k - 1] * keep + kicks[k]
    return out


def record(flown: Flown, recorder: Recorder, rng: np.random.Generator) -> Recording:
    """Sample a flight as the recorder would."""
    s, e = flown.states, recorder.errors
    every = max(1, round(1 / recorder.rate_hz / STEP_S))
    phase = int(rng.integers(0, every))
    rows = np.arange(phase, s['time_s'].size, every)
    count, dt_s = rows.size, every * STEP_S
    n = s['n_ft'][rows] + _correlated(rng, count, dt_s, e.horizontal_ft, e.horizontal_s)
    east = s['e_ft'][rows] + _correlated(rng, count, dt_s, e.horizontal_ft, e.horizontal_s)
    height = s['height_ft'][rows] + _correlated(rng, count, dt_s, e.height_ft, e.height_s)
    n, east = n + rng.normal(0, 1, count) * e.white_ft, east + rng.normal(0, 1, count) * e.white_ft
    height = height + rng.normal(0, 1, count) * e.height_white_ft + rng.uniform(-1, 1) * e.height_offset_ft
    if e.height_step_ft:
        height = np.round(height / e.height_step_ft) * e.height_step_ft
    if recorder.zero_on_ground:
        height = np.where(s['on_ground'][rows] > 0, 0.0, height)
    lat, lon = flown.ground.to_earth(n, east)
    speed = np.hypot(s['vn_fps'], s['ve_fps'])[rows] / KT
    course = np.degrees(np.arctan2(s['ve_fps'], s['vn_fps'])[rows]) % 360
    if e.speed_kt:
        course = (course + np.degrees(rng.normal(0, e.speed_kt, count) / np.maximum(speed, 1.0))) % 360
        speed = np.maximum(0.0, speed + rng.normal(0, e.speed_kt, count))
    if e.speed_step_kt:
        speed = np.round(speed / e.speed_step_kt) * e.speed_step_kt
    if e.course_step_deg:
        course = np.round(course / e.course_step_deg) * e.course_step_deg % 360
    attitude = recorder.with_attitude
    made = Recording(
        start=recorder.start,
        time_s=s['time_s'][rows],
        lat_deg=lat,
        lon_deg=(lon + 180) % 360 - 180,
        height_ft=height,
        speed_kt=speed if recorder.with_speed else None,
        course_deg=course if recorder.with_speed else None,
        airspeed_kt=s['airspeed_kt'][rows] if recorder.with_airspeed else None,
        heading_deg=np.degrees(s['heading_rad'][rows]) % 360 if attitude else None,
        pitch_deg=np.degrees(s['pitch_rad'][rows]) if attitude else None,
        bank_deg=np.degrees(s['bank_rad'][rows]) if attitude else None,
        truth={'field': flown.ground.name, 'start': recorder.start.isoformat(), 'events': flown.events},
    )
    keep = np.ones(count, dtype=bool)
    for first, last in recorder.dropouts:
        keep &= (made.time_s < first) | (made.time_s > last)
    return made if keep.all() else made.between(keep)
