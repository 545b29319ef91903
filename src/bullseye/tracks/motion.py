"""A cleaned track as motion over a flat plane about a field: smoothed places and speeds, and what noise they carry."""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import dataclass, field

import numpy as np
from numpy.typing import NDArray

from bullseye.core.air.geo import RunwayFrame
from bullseye.core.basis.constants import FPS_PER_KT
from bullseye.core.basis.unknown import known_or
from bullseye.tracks.fields import Runway
from bullseye.tracks.smooth import Smoothed, quantum, smooth, white_noise
from bullseye.tracks.speeds import TAXI_FPS
from bullseye.tracks.track import Floats, Track

# [own], tuned on simulated flights that bench/tracks.py does not use
_AGILITY = 10.0  # ft²/s³, of level acceleration: a turn begun within two seconds [own]
_CLIMB_AGILITY = 5.0
_ROUNDING = 12**-0.5  # standard deviation of what rounding to a step leaves
_LEAST_PLACE_FT = 0.3
_LEAST_SPEED_FPS = 0.15
_LEAST_HEIGHT_FT = 0.3
_STANDING_FPS = 1.5 * FPS_PER_KT
_FAR_APART_S, _USUAL_NOISE_FT = 1.7, 2.0
_FEWEST_HEIGHTS = 20
_FEWEST_CHANGES, _USUAL_COUNTS = 8, 6.0


@dataclass(frozen=True)
class Motion:
    """The flight over a plane, feet and seconds; arrays of one length."""

    track: Track
    frame: RunwayFrame  # of the plane: first axis north, second east
    time_s: Floats
    north_ft: Floats
    east_ft: Floats
    height_ft: Floats
    speed_fps: Floats  # over the ground
    course_rad: Floats
    climb_fps: Floats
    raw_north_ft: Floats
    raw_east_ft: Floats
    raw_vn_fps: Floats  # NaN where no speed was recorded
    raw_ve_fps: Floats
    place_noise_ft: float
    speed_noise_fps: float | None
    height_noise_ft: float | None
    height_step_ft: float  # in which the heights were written, 0 when finely
    level: Smoothed
    # what every lap asks for again, by runway and kind; read only
    _kept: dict[tuple[str, RunwayFrame], tuple[Floats, Floats]] = field(default_factory=dict, repr=False, compare=False)

    def along(self, runway: Runway) -> tuple[Floats, Floats]:
        """Smoothed places on a runway's axes: along and lateral feet."""
        return self._keep('smooth', runway, lambda: self._turned(runway, self.north_ft, self.east_ft))

    def raw_along(self, runway: Runway) -> tuple[Floats, Floats]:
        """Places as recorded, on a runway's axes."""
        return self._keep('raw', runway, lambda: self._turned(runway, self.raw_north_ft, self.raw_east_ft))

    def _keep(self, kind: str, runway: Runway, make: Callable[[], tuple[Floats, Floats]]) -> tuple[Floats, Floats]:
        key = (kind, runway.frame)
        if key not in self._kept:
            self._kept[key] = make()
        return self._kept[key]

    def raw_speed(self, runway: Runway) -> Floats:
        """Speed along a runway as recorded [ft/s]."""
        course = math.radians(runway.end.course_deg_true)
        return self.raw_vn_fps * math.cos(course) + self.raw_ve_fps * math.sin(course)

    def _turned(self, runway: Runway, north: Floats, east: Floats) -> tuple[Floats, Floats]:
        n0, e0 = self.frame.locate(lat_deg=runway.frame.threshold_lat_deg, lon_deg=runway.frame.threshold_lon_deg)
        cos, sin = (
            math.cos(math.radians(runway.end.course_deg_true)),
            math.sin(math.radians(runway.end.course_deg_true)),
        )
        dn, de = north - n0, east - e0
        return dn * cos + de * sin, de * cos - dn * sin

    def off_course(self, runway: Runway) -> Floats:
        """Angle between ground track and runway [rad], 0 to π."""
        return self._keep('course', runway, lambda: (self._off(runway),) * 2)[0]

    def _off(self, runway: Runway) -> Floats:
        off: Floats = np.abs((self.course_rad - math.radians(runway.end.course_deg_true) + np.pi) % (2 * np.pi) - np.pi)
        return off


def motion_about(track: Track, *, lat_deg: float, lon_deg: float) -> Motion:
    """Smooth a track on the plane that touches the earth at a place."""
    frame = RunwayFrame(threshold_lat_deg=lat_deg, threshold_lon_deg=lon_deg, course_deg_true=0.0)
    north, east = frame.locate_all(lat_deg=track.lat_deg, lon_deg=track.lon_deg)
    course = np.radians(track.course_deg_true)
    with_speed = bool(np.isfinite(track.speed_kt).mean() > 0.5 and np.isfinite(track.course_deg_true).mean() > 0.5)
    speed = track.speed_kt * FPS_PER_KT if with_speed else np.full(track.count, np.nan)
    vn, ve = speed * np.cos(course), speed * np.sin(course)
    calm = _calm(track, speed, north, east)
    noises = [one for one in (_noise(north, calm), _noise(east, calm)) if math.isfinite(one)]
    place_noise = sum(noises) / len(noises) if noises else _LEAST_PLACE_FT
    moving = np.where(speed > TAXI_FPS, speed, np.nan)
    speed_noise = max(white_noise(speed), 0.02, _ROUNDING * quantum(moving)) if with_speed else None
    level = smooth(
        track.time_s,
        np.column_stack([north, east]),
        place_sd=max(place_noise, _LEAST_PLACE_FT),
        agility=_AGILITY,
        speed=np.column_stack([vn, ve]) if with_speed else None,
        speed_sd=max(known_or(speed_noise, 0.0), _LEAST_SPEED_FPS) * 2,
    )
    known = np.isfinite(track.height_ft)
    with_height = bool(known.mean() > 0.5 or (known.sum() > _FEWEST_HEIGHTS and np.isfinite(track.on_ground).any()))
    # standing heights repeat themselves; only those in motion tell in what steps they are written
    step = quantum(np.where(speed > TAXI_FPS, track.height_ft, np.nan) if with_speed else track.height_ft)
    height_noise = _or(_noise(track.height_ft, calm), _LEAST_HEIGHT_FT) if with_height else None
    if with_height:
        rise = smooth(
            track.time_s,
            track.height_ft,
            place_sd=max(known_or(height_noise, 0.0), _LEAST_HEIGHT_FT, step),
            agility=_CLIMB_AGILITY,
        )
        height, climb = rise.place, rise.speed
    else:
        height = climb = np.full(track.count, np.nan)
    v_n, v_e = level.speed[:, 0], level.speed[:, 1]
    return Motion(
        track=track,
        frame=frame,
        time_s=track.time_s,
        north_ft=level.place[:, 0],
        east_ft=level.place[:, 1],
        height_ft=height,
        speed_fps=np.hypot(v_n, v_e),
        course_rad=np.arctan2(v_e, v_n),
        climb_fps=climb,
        raw_north_ft=north,
        raw_east_ft=east,
        raw_vn_fps=vn,
        raw_ve_fps=ve,
        place_noise_ft=place_noise,
        speed_noise_fps=speed_noise,
        height_noise_ft=height_noise,
        height_step_ft=step,
        level=level,
    )


def _calm(track: Track, speed_fps: Floats, north: Floats, east: Floats) -> NDArray[np.bool_] | None:
    """Where it stands or taxies, of fixes so far apart that in the air their bends are flown; None for closer ones."""
    step_s = float(np.median(np.diff(track.time_s)))
    if step_s < _FAR_APART_S:
        return None
    if np.isfinite(speed_fps).mean() > 0.5:
        return speed_fps < TAXI_FPS
    moved = np.hypot(np.gradient(north, track.time_s), np.gradient(east, track.time_s))
    slow: NDArray[np.bool_] = moved < TAXI_FPS
    return slow


def _noise(values: Floats, calm: NDArray[np.bool_] | None) -> float:
    """White noise of a signal; of fixes far apart only where the aeroplane hardly moves, else as good as most are."""
    if calm is None:
        return white_noise(values)
    found = white_noise(np.where(calm, values, np.nan))
    return found if math.isfinite(found) else min(white_noise(values), _USUAL_NOISE_FT)


def _or(value: float, other: float) -> float:
    return value if math.isfinite(value) else other


def height_wander_ft(motion: Motion, surface_ft: Floats) -> float:
    """How the receiver's height wanders: ft in the square root of a second, from standing and taxiing on the runway.

    :param surface_ft: elevation of the runway under the wheels where they roll slowly on it, NaN elsewhere
    """
    standing = motion.speed_fps < _STANDING_FPS
    raw = motion.track.height_ft - np.where(standing & ~np.isfinite(surface_ft), 0.0, surface_ft)
    # from standing to rolling the ground may change: never compare across
    raw = np.where(standing | np.isfinite(surface_ft), raw, np.nan)
    steps = np.diff(motion.time_s)
    lag = max(1, round(5.0 / max(float(np.median(steps)), 1e-3)))
    if raw.size <= lag:
        return 0.0
    change = raw[lag:] - raw[:-lag]
    seconds = motion.time_s[lag:] - motion.time_s[:-lag]
    fine = np.isfinite(change) & (seconds < 10) & (np.isfinite(surface_ft[lag:]) == np.isfinite(surface_ft[:-lag]))
    # both standing, but moved in between: another piece of ground
    moved = np.hypot(motion.north_ft[lag:] - motion.north_ft[:-lag], motion.east_ft[lag:] - motion.east_ft[:-lag])
    fine &= np.isfinite(surface_ft[lag:]) | (moved < 30)
    white = known_or(motion.height_noise_ft, 0.0)
    if fine.sum() < _FEWEST_CHANGES:
        return 1.2 * white  # nothing to measure it on: as usual for receivers of that noise [own]
    # by the median: where two pavements meet, a few steps are those of the ground
    variance = float(np.median(np.abs(change[fine])) / 0.6745) ** 2 - 2 * white**2
    a_second = max(variance, 0.0) / float(np.median(seconds[fine]))
    # few fixes may have stood still by chance: what is usual counts as some more of them
    count = float(fine.sum())
    return math.sqrt((count * a_second + _USUAL_COUNTS * (1.2 * white) ** 2) / (count + _USUAL_COUNTS))
