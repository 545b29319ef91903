"""Wind from the turns: in moving air the groundspeeds of a circle lie on a circle about the wind.

Where the recorder knows airspeed and heading, the wind is the difference of the motion over the ground from that
through the air; else each turn is fitted by an airspeed of its own and a wind that turns of some minutes share [own].
"""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np

from bullseye.core.basis.constants import FPS_PER_KT
from bullseye.tracks.motion import Motion
from bullseye.tracks.passes import stretches
from bullseye.tracks.speeds import FLYING_FPS
from bullseye.tracks.track import Floats

# [own], tuned on simulated flights that bench/tracks.py does not use
_TURNING_RAD_S = math.radians(3.0)
_LEAST_TURN_RAD = math.radians(50)
_SPAN_S = 900.0  # one wind for so long
_MOST_PER_TURN = 25
_TREND_FPS = 1 * FPS_PER_KT  # of the airspeed within a turn
_AIRSPEED_SD_KT = 1.0
_MODEL_SD_KT = 2.0  # what turns at changing height and speed leave open, by simulated flights


@dataclass(frozen=True, kw_only=True)
class WindAloft:
    """A wind found from the track; the spread is a standard deviation of each component."""

    from_s: float
    to_s: float
    from_deg_true: float
    speed_kt: float
    sd_kt: float
    height_ft: float  # as the recorder reads, the middle of the turns
    turns: int
    source: str  # 'turns' or 'airspeed'

    def along_kt(self, course_deg_true: float) -> float:
        """Headwind on a course."""
        return self.speed_kt * math.cos(math.radians(self.from_deg_true - course_deg_true))


def find_wind(motion: Motion) -> list[WindAloft]:
    """Winds in order of time, none where the track does not tell."""
    if motion.track.has('airspeed_kt') and motion.track.has('heading_deg_true'):
        return _by_airspeed(motion)
    course = np.unwrap(motion.course_rad)
    rate = np.gradient(course, motion.time_s) if motion.time_s.size > 2 else np.zeros(motion.time_s.size)
    flying = motion.speed_fps > FLYING_FPS
    turns = [
        (first, last)
        for first, last in stretches(flying & (np.abs(rate) > _TURNING_RAD_S), motion.time_s, bridge_s=2.0)
        if abs(course[last] - course[first]) > _LEAST_TURN_RAD and last - first >= 4
    ]
    found = []
    while turns:
        start = motion.time_s[turns[0][0]]
        some = [one for one in turns if motion.time_s[one[1]] <= start + _SPAN_S] or turns[:1]
        turns = turns[len(some) :]
        wind = _fitted(motion, some)
        if wind is not None:
            found.append(wind)
    return found


def _by_airspeed(motion: Motion) -> list[WindAloft]:
    """Winds by airspeed and heading; a factor common to all airspeeds takes up their scale and the thin air."""
    heading, airspeed = np.radians(motion.track.heading_deg_true), motion.track.airspeed_kt * FPS_PER_KT
    flying = (motion.speed_fps > FLYING_FPS) & np.isfinite(heading) & np.isfinite(airspeed)
    found = []
    for first in np.arange(motion.time_s[0], motion.time_s[-1], _SPAN_S):
        rows = np.flatnonzero(flying & (motion.time_s >= first) & (motion.time_s < first + _SPAN_S))
        seconds = float(np.ptp(motion.time_s[rows])) if rows.size else 0.0
        if rows.size < 20 or seconds < 90:
            continue
        n = motion.speed_fps[rows] * np.cos(motion.course_rad[rows])
        e = motion.speed_fps[rows] * np.sin(motion.course_rad[rows])
        one, zero = np.ones(rows.size), np.zeros(rows.size)
        columns = np.concatenate(
            [
                np.column_stack([airspeed[rows] * np.cos(heading[rows]), one, zero]),
                np.column_stack([airspeed[rows] * np.sin(heading[rows]), zero, one]),
            ]
        )
        measured = np.concatenate([n, e])
        fit, *_ = np.linalg.lstsq(columns, measured, rcond=None)
        spread = float(np.std(measured - columns @ fit))
        # gusts and a wind that changes with height keep neighbours alike for some twenty seconds
        sd_kt = math.hypot(spread / math.sqrt(max(1.0, seconds / 20)) / FPS_PER_KT, _AIRSPEED_SD_KT)
        found.append(
            WindAloft(
                from_s=float(motion.time_s[rows[0]]),
                to_s=float(motion.time_s[rows[-1]]),
                from_deg_true=math.degrees(math.atan2(-fit[2], -fit[1])) % 360,
                speed_kt=math.hypot(float(fit[1]), float(fit[2])) / FPS_PER_KT,
                sd_kt=sd_kt,
                height_ft=float(np.median(motion.height_ft[rows])),
                turns=0,
                source='airspeed',
            )
        )
    return found


def _fitted(motion: Motion, turns: list[tuple[int, int]]) -> WindAloft | None:
    if sum(1 for _ in turns) < 2:
        return None
    vn, ve, which, share = [], [], [], []
    for number, (first, last) in enumerate(turns):
        rows = np.unique(np.linspace(first, last, min(_MOST_PER_TURN, last - first + 1)).astype(int))
        vn.append(motion.speed_fps[rows] * np.cos(motion.course_rad[rows]))
        ve.append(motion.speed_fps[rows] * np.sin(motion.course_rad[rows]))
        which.append(np.full(rows.size, number))
        share.append((rows - first) / max(1, last - first) - 0.5)
    n, e, turn, part = (np.concatenate(one) for one in (vn, ve, which, share))
    count = len(turns)
    speeds = np.array([float(np.mean(np.hypot(n[turn == k], e[turn == k]))) for k in range(count)])

    from scipy.optimize import least_squares  # here: it takes long to load

    def misfit(x: Floats) -> Floats:
        airspeed = x[2 : 2 + count][turn] + x[2 + count :][turn] * part
        trend = x[2 + count :] / _TREND_FPS
        return np.concatenate([(np.hypot(n - x[0], e - x[1]) - airspeed) / FPS_PER_KT, trend])

    of_turn = (turn[:, None] == np.arange(count)) / FPS_PER_KT
    constant = np.concatenate([-of_turn, -of_turn * part[:, None]], axis=1)
    trends = np.concatenate([np.zeros((count, 2 + count)), np.eye(count) / _TREND_FPS], axis=1)

    def slopes(x: Floats) -> Floats:
        air = np.maximum(np.hypot(n - x[0], e - x[1]), 1e-6) * FPS_PER_KT
        wind = np.column_stack([(x[0] - n) / air, (x[1] - e) / air])
        return np.concatenate([np.concatenate([wind, constant], axis=1), trends])

    start = np.concatenate([[0.0, 0.0], speeds, np.zeros(count)])
    fit = least_squares(misfit, start, jac=slopes, loss='soft_l1', f_scale=1.5, max_nfev=60)
    covariance = np.linalg.pinv(fit.jac.T @ fit.jac)
    # neighbouring fixes share their error: each turn counts for about four
    residual = float(np.sqrt(np.mean(np.square(fit.fun[: n.size]))))
    sd = float(np.sqrt(max(covariance[0, 0], covariance[1, 1]))) * max(residual, 0.3) * math.sqrt(n.size / (4 * count))
    wind_n, wind_e = float(fit.x[0]), float(fit.x[1])
    sd_kt = math.hypot(sd / FPS_PER_KT, _MODEL_SD_KT)
    if not np.isfinite(sd_kt) or sd_kt > 12:
        return None
    heights = np.concatenate([motion.height_ft[a : b + 1] for a, b in turns])
    return WindAloft(
        from_s=float(motion.time_s[turns[0][0]]),
        to_s=float(motion.time_s[turns[-1][1]]),
        from_deg_true=math.degrees(math.atan2(-wind_e, -wind_n)) % 360,
        speed_kt=math.hypot(wind_n, wind_e) / FPS_PER_KT,
        sd_kt=sd_kt,
        height_ft=float(np.nanmedian(heights)) if np.isfinite(heights).any() else float('nan'),
        turns=count,
        source='turns',
    )
