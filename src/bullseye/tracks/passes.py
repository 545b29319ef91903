"""Passes: each time the aeroplane came along a runway, and whether its wheels were on it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from bullseye.core.basis.constants import FPS_PER_KT
from bullseye.tracks.fields import Runway
from bullseye.tracks.motion import Motion
from bullseye.tracks.track import Floats

Kind = Literal['takeoff', 'landing', 'touch_and_go', 'airborne', 'none']

# [own], tuned on simulated flights that bench/tracks.py does not use
_BEFORE_FT, _BEYOND_FT = 9_000.0, 600.0  # the corridor of a runway
_HALF_FT, _SPLAY = 220.0, 0.06
_ALIGNED_RAD = np.radians(28)
_SLOWEST_FPS = 14 * FPS_PER_KT  # below, a course says nothing
_ROLLING_FPS = 24 * FPS_PER_KT
_BREAK_S = 5.0
_BESIDE_FT, _LINKED_S = 40.0, 15.0
_SHORTEST_S = 4.0
_REACHES_FT = 1_500.0
_ON_IT_FT, _AS_FAR = 100.0, 0.4  # of two runways side by side, where it cannot be told which was meant
_MOSTLY_TOLD = 0.5
_SHORT_FT, _CLIMBS_FT, _SURE_ODDS = 500.0, 60.0, 12.0  # more than heights in steps of 25 ft are off by
_ABOUT_S = 3.2  # the slowest moment, for the height there
_FLIES_SHARE = 0.72  # of the speed of the approach: slower than that it may be rolling at any speed
_SURE_FT = 4.0
_KEPT_S, _KEPT_FIXES, _KEPT_FPS = 8.0, 4, 2.0 * FPS_PER_KT
_USUALLY_LANDS = 1.1  # log odds: a pass over the runway is a landing three times in four [own]


@dataclass(frozen=True)
class Pass:
    """A stretch of the track along one runway: fixes ``first`` to ``last``, both included."""

    runway: Runway
    first: int
    last: int
    lateral_ft: float  # how far from the centreline, nearest to the runway
    away_ft: float  # from the runway, where it came nearest
    told: bool = True  # False: it may have been along a parallel runway as well


def stretches(mask: NDArray[np.bool_], time_s: Floats, *, bridge_s: float) -> list[tuple[int, int]]:
    """Runs of True, first and last index, those with less than ``bridge_s`` between them joined."""
    edges = np.flatnonzero(np.diff(np.concatenate([[0], mask.astype(np.int8), [0]])))
    runs = [(int(a), int(b) - 1) for a, b in zip(edges[::2], edges[1::2], strict=True)]
    joined: list[tuple[int, int]] = []
    for first, last in runs:
        if joined and time_s[first] - time_s[joined[-1][1]] < bridge_s:
            joined[-1] = (joined[-1][0], last)
        else:
            joined.append((first, last))
    return joined


def find_passes(motion: Motion, runways: Sequence[Runway]) -> list[Pass]:
    """Stretches along the runways in order of time; where two runways are close together, on the nearer."""
    found: list[Pass] = []
    for runway in runways:
        along, lateral = motion.along(runway)
        wide = _HALF_FT + runway.half_width_ft + _SPLAY * np.maximum(-along, 0.0)
        mask = (
            (along > -_BEFORE_FT)
            & (along < runway.end.landing_distance_available_ft + _BEYOND_FT)
            & (np.abs(lateral) < wide)
            & (motion.off_course(runway) < _ALIGNED_RAD)
            & (motion.speed_fps > _SLOWEST_FPS)
        )
        for first, last in stretches(mask, motion.time_s, bridge_s=_BREAK_S):
            if motion.time_s[last] - motion.time_s[first] < _SHORTEST_S:
                continue
            span = slice(first, last + 1)
            lateral_ft, away_ft = _off(along[span], lateral[span], runway)
            found.append(Pass(runway, first, last, lateral_ft, away_ft))
    found.sort(key=lambda one: one.first)
    kept: list[Pass] = []
    for one in found:
        rival = next((k for k, other in enumerate(kept) if _same_time(one, other)), None)
        if rival is None:
            kept.append(one)
            continue
        nearer, other = sorted((one, kept[rival]), key=lambda each: each.lateral_ft)
        kept[rival] = replace(nearer, told=nearer.told and not _as_far(nearer, other))
    return [replace(one, told=one.told and not _beside_another(motion, one, runways)) for one in kept]


def _off(along: Floats, lateral: Floats, runway: Runway) -> tuple[float, float]:
    """Feet from the centreline, and from the runway: near it, which tells parallels apart, not out of the turn."""
    close = np.abs(along - np.clip(along, -500, runway.end.landing_distance_available_ft))
    near = close <= np.quantile(close, 0.25)
    return float(np.median(np.abs(lateral[near]))), float(close.min())


def beside(runway: Runway, runways: Sequence[Runway]) -> list[Runway]:
    """The other runways that lead the same way."""
    return [
        other
        for other in runways
        if other is not runway
        and abs(np.radians((other.end.course_deg_true - runway.end.course_deg_true + 180) % 360 - 180)) < _ALIGNED_RAD
    ]


def _beside_another(motion: Motion, one: Pass, runways: Sequence[Runway]) -> bool:
    """Whether another runway that leads the same way is about as near, though no pass was made out along it."""
    span = slice(one.first, one.last + 1)
    for other in beside(one.runway, runways):
        along, lateral = motion.along(other)
        if as_far(one.lateral_ft, _off(along[span], lateral[span], other)[0]):
            return True
    return False


def _as_far(nearer: Pass, other: Pass) -> bool:
    """Whether a pass was about as far from one runway as from another."""
    far_out = nearer.away_ft > _REACHES_FT  # it may have turned in for the other one
    return far_out or as_far(nearer.lateral_ft, other.lateral_ft)


def as_far(nearer_ft: float, other_ft: float) -> bool:
    """Whether two distances from centrelines do not tell which of the runways was meant."""
    return nearer_ft > max(_ON_IT_FT, _AS_FAR * other_ft)


def _same_time(one: Pass, other: Pass) -> bool:
    shared = min(one.last, other.last) - max(one.first, other.first)
    return shared > 0.5 * min(one.last - one.first, other.last - other.first)


@dataclass(frozen=True)
class Judged:
    """What a pass was, and where in it the wheels can have been on the runway."""

    passed: Pass
    kind: Kind
    approach_fps: float  # groundspeed before the runway
    slowest: int  # index of the least groundspeed over the runway
    log_odds: float  # for wheels on the runway, of a pass that stayed fast


def judge(
    motion: Motion, one: Pass, *, height_offset_ft: float, offset_sd_ft: float, stall_hint_fps: float | None = None
) -> Judged:
    """Tell takeoffs, landings, touch-and-goes and passes that stayed in the air from each other.

    :param height_offset_ft: what the recorder's height reads too much, as known from elsewhere; NaN when not
    :param stall_hint_fps: the groundspeed at which this aeroplane touched down on this runway in sure landings
    """
    runway, span = one.runway, slice(one.first, one.last + 1)
    along, _ = motion.along(runway)
    along, speed = along[span], motion.speed_fps[span]
    over = (along > -runway.end.displaced_threshold_ft - 150) & (along < runway.end.landing_distance_available_ft + 200)
    entry = speed[: max(2, min(8, speed.size // 6))].min()
    top = float(speed.max())
    if _slow_on_it(motion, one, one.first - 1):  # with fixes far apart the first of the roll may be fast already
        entry = 0.0
    if top < _ROLLING_FPS * 1.35:
        return Judged(one, 'none', top, one.first, -np.inf)
    if entry < min(_ROLLING_FPS, 0.5 * top) and over[0] and along[0] > -runway.end.displaced_threshold_ft - 150:
        return Judged(one, 'takeoff', top, one.first, np.inf)
    if not over.any():
        lowest = one.first + int(np.argmin(motion.height_ft[span]))
        return Judged(one, 'airborne', float(np.median(speed)), lowest, -np.inf)
    inside = np.flatnonzero(over)
    told = motion.track.on_ground[span]
    down = inside[told[inside] == 1.0]
    if down.size:
        inside = down
    slowest = int(inside[np.argmin(speed[inside])])
    before = speed[(along > -4_500) & (along < 0)]
    approach = float(np.median(before)) if before.size >= 2 else float(speed[: inside[0] + 1].max())
    if speed[slowest] < min(_ROLLING_FPS, 0.5 * approach):
        return Judged(one, 'landing', approach, one.first + slowest, np.inf)
    if _slow_on_it(motion, one, one.last + 1):
        return Judged(one, 'landing', approach, one.last + 1, np.inf)
    if np.isfinite(told[over]).mean() > _MOSTLY_TOLD:
        told_kind: Kind = 'touch_and_go' if down.size else 'airborne'
        return Judged(one, told_kind, approach, one.first + slowest, np.inf if down.size else -np.inf)
    odds = _USUALLY_LANDS + _speed_odds(float(speed[slowest]) / approach)
    raw = motion.height_ft[span] - runway.surface_ft(along)
    height = raw - height_offset_ft
    moments = motion.time_s[span]
    near = np.arange(max(0, slowest - 3), min(slowest + 4, speed.size))
    near = near[np.abs(moments[near] - moments[slowest]) < _ABOUT_S]
    by_height = 0.0
    if np.isfinite(height[near]).any():
        by_height = _height_odds(float(np.nanmedian(height[near])), offset_sd_ft)
    odds += by_height
    is_sure = np.isfinite(height_offset_ft) and offset_sd_ft <= _SURE_FT
    flies_on = not is_sure and _flies_on(moments, speed, slowest, approach)
    if flies_on or _climbs(raw[along < -_SHORT_FT], raw[near]):
        odds -= _SURE_ODDS
    if stall_hint_fps is not None and abs(by_height) < 4:
        # in the air it cannot be much slower than where it stopped flying before
        odds += float(np.clip((1.08 * stall_hint_fps - speed[slowest]) / (0.04 * stall_hint_fps), -3, 6))
    kind: Kind = 'touch_and_go' if odds > 0 else 'airborne'
    # the track may end in the rollout
    if kind == 'touch_and_go' and one.last == motion.time_s.size - 1 and slowest > speed.size - 4:
        kind = 'landing'
    return Judged(one, kind, approach, one.first + slowest, odds)


def _climbs(before_ft: Floats, there_ft: Floats) -> bool:
    """Whether it was lower before the runway than over it, whatever its heights are counted from: it climbs away."""
    if not (np.isfinite(before_ft).any() and np.isfinite(there_ft).any()):
        return False
    return bool(np.nanmedian(there_ft) > np.nanmin(before_ft) + _CLIMBS_FT)


def _flies_on(time_s: Floats, speed_fps: Floats, at: int, approach_fps: float) -> bool:
    """Whether it went on about as fast as where it was slowest: on its wheels it slows down, or power speeds it up."""
    if speed_fps[at] <= _FLIES_SHARE * approach_fps:
        return False
    alike = np.abs(speed_fps - speed_fps[at]) <= _KEPT_FPS
    first, last = next(one for one in stretches(alike, time_s, bridge_s=0.0) if one[0] <= at <= one[1])
    return bool(time_s[last] - time_s[first] >= _KEPT_S and last - first + 1 >= _KEPT_FIXES)


def _slow_on_it(motion: Motion, one: Pass, at: int) -> bool:
    """Whether the fix just before or after a pass was on its runway, and slower than anything that flies."""
    if not 0 <= at < motion.time_s.size or motion.speed_fps[at] > _ROLLING_FPS:
        return False
    along, lateral = (float(axis[at]) for axis in motion.along(one.runway))
    end = one.runway.end
    return (
        -end.displaced_threshold_ft - 150 < along < end.landing_distance_available_ft
        and abs(lateral) < one.runway.half_width_ft + _BESIDE_FT
        and float(min(abs(motion.time_s[[one.first, one.last]] - motion.time_s[at]))) < _LINKED_S
    )


def _speed_odds(ratio: float) -> float:
    """Log odds for wheels on the runway, from the least groundspeed over it against that of the approach [own]."""
    wheels = -0.5 * ((min(max(ratio, 0.7), 0.95) - 0.7) / 0.08) ** 2 - np.log(0.08)
    air = -0.5 * ((min(max(ratio, 0.6), 0.95) - 0.95) / 0.06) ** 2 - np.log(0.06)
    return float(wheels - air)


def _height_odds(height_ft: float, sd_ft: float) -> float:
    """Log odds from the height there, when its offset is known within ``sd_ft``: on the runway, or up to 80 ft up."""
    sd = float(np.hypot(sd_ft, 1.0))
    if not np.isfinite(height_ft) or not np.isfinite(sd) or sd > 60:
        return 0.0
    wheels = np.exp(-0.5 * (height_ft / sd) ** 2) / sd
    up = np.linspace(1.5, 80, 80)
    air = float(np.mean(np.exp(-0.5 * ((height_ft - up) / sd) ** 2))) / sd
    return float(np.clip(np.log((wheels + 1e-9) / (air + 1e-9)), -12, 12))
