"""A cleaned track as motion over a flat plane about a field: smoothed places and speeds, and what noise they carry."""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import dataclass, field

import numpy as np

from bullseye.core.air.geo import RunwayFrame
from bullseye.core.basis.constants import FPS_PER_KT
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
    noises = [one for one in (white_noise(north), white_noise(east)) if math.isfinite(one)]
    place_noise = sum(noises) / len(noises) if noises else _LEAST_PLACE_FT
    moving = np.where(speed > TAXI_FPS, speed, np.nan)
    speed_noise = max(white_noise(speed), 0.02, _ROUNDING * quantum(moving)) if with_speed else None
    level = smooth(
        track.time_s,
        np.column_stack([north, east]),
        place_sd=max(place_noise, _LEAST_PLACE_FT),
        agility=_AGILITY,
        speed=np.column_stack([vn, ve]) if with_speed else None,
        speed_sd=max(speed_noise or 0.0, _LEAST_SPEED_FPS) * 2,
    )
    with_height = bool(np.isfinite(track.height_ft).mean() > 0.5)
    # standing heights repeat themselves; only those in motion tell in what steps they are written
    step = quantum(np.where(speed > TAXI_FPS, track.height_ft, np.nan) if with_speed else track.height_ft)
    height_noise = _or(white_noise(track.height_ft), _LEAST_HEIGHT_FT) if with_height else None
    if with_height:
        rise = smooth(
            track.time_s,
            track.height_ft,
            place_sd=max(height_noise or 0.0, _LEAST_HEIGHT_FT, step),
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
    white = motion.height_noise_ft or 0.0
    if fine.sum() < 15:
        return 1.2 * white  # nothing to measure it on: as usual for receivers of that noise [own]
    # by the median: where two pavements meet, a few steps are those of the ground
    variance = float(np.median(np.abs(change[fine])) / 0.6745) ** 2 - 2 * white**2
    return math.sqrt(max(variance, 0.0) / float(np.median(seconds[fine])))
