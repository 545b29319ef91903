"""Heights that a recorder does not give on the ground: 0 is written while the wheels are on it, or a word.

Receivers that listen to aeroplanes know a height in the air only. What they write on the ground is no height, but it
says that the wheels are down, which is worth more. In the air too a height may be 0 for a moment, where the field lies
lower than the pressure makes of it.
"""

from __future__ import annotations

from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from bullseye.tracks.track import Track

# [own], tuned on simulated flights that bench/tracks.py does not use
_LEAP_FT = 25.0  # between 0 and what the ground would read
_SURE_LEAP_FT = 60.0
_SOON_S = 40.0
_FAR_APART_S, _WIDE_STEP_FT, _SLOW_KT = 2.5, 20.0, 15.0
_CLIMBS_FPS = 12.0  # what it may have climbed or sunk meanwhile
_FEWEST = 3


@dataclass(frozen=True)
class _Run:
    """Fixes in a row with a height of 0: which, the heights before and after, and what these lead to meanwhile."""

    rows: NDArray[np.intp]
    beside_ft: tuple[float, ...]
    leads_ft: tuple[float, ...]
    slow: bool

    def on_ground(self, *, stood: bool) -> bool:
        """Not where the height only passes through 0, or comes down to it and goes up again.

        :param stood: whether it is 0 too where the aeroplane stands or taxies
        """
        if not stood:
            return len(self.leads_ft) == 2 and min(abs(lead) for lead in self.leads_ft) > _SURE_LEAP_FT
        leaps = any(abs(lead) > _LEAP_FT for lead in self.leads_ft)
        return self.slow or leaps or not self.passes

    @property
    def passes(self) -> bool:
        """Whether it was above 0 on one side and below on the other."""
        return len(self.beside_ft) == 2 and self.beside_ft[0] * self.beside_ft[1] < 0


def without_ground_zeros(track: Track) -> Track:
    """The track with heights of exactly 0 taken for what they are: unknown, with the wheels on the ground."""
    zero = track.height_ft == 0.0
    if int(zero.sum()) < _FEWEST:
        return track
    runs = _runs(track, zero)
    leads = [lead for run in runs if not run.passes for lead in run.leads_ft]
    leaps = bool(leads) and abs(float(np.median(leads))) > _LEAP_FT
    if not (leaps or _only_so(track, zero)):
        return track
    told = np.where(np.isfinite(track.height_ft), 0.0, track.on_ground)
    down = np.zeros(track.count, dtype=bool)
    stood = any(run.slow for run in runs)
    for run in runs:
        down[run.rows] = run.on_ground(stood=stood)
    if not down.any():
        return track
    words = f'{int(down.sum())} heights of 0 are taken to say that the wheels were on the ground'
    return replace(
        track,
        height_ft=np.where(down, np.nan, track.height_ft),
        on_ground=np.where(down, 1.0, told),
        warnings=(*track.warnings, words),
    )


def _runs(track: Track, zero: NDArray[np.bool_]) -> list[_Run]:
    """The runs of heights of 0.

    What the heights in the air lead to, followed on to the moment of the next 0, is what the ground would read.
    """
    known = np.flatnonzero(np.isfinite(track.height_ft))
    height, time, at = track.height_ft[known], track.time_s[known], zero[known]
    edges = np.flatnonzero(np.diff(np.concatenate([[0], at.astype(np.int8), [0]])))
    found = []
    for first, end in zip(edges[::2], edges[1::2], strict=True):
        beside, leads = [], []
        for near, step, ground in ((first - 1, -1, first), (end, 1, end - 1)):
            if not 0 <= near < height.size:
                continue
            beside.append(float(height[near]))
            before = near + step
            if 0 <= before < height.size and not at[before] and abs(time[ground] - time[before]) <= _SOON_S:
                rate = float((height[near] - height[before]) / (time[near] - time[before]))
                leads.append(
                    float(height[near] + np.clip(rate, -_CLIMBS_FPS, _CLIMBS_FPS) * (time[ground] - time[near]))
                )
        rows = known[first:end]
        slow = bool((track.speed_kt[rows] < _SLOW_KT).any())
        found.append(_Run(rows, tuple(beside), tuple(leads), slow))
    return found


def _only_so(track: Track, zero: NDArray[np.bool_]) -> bool:
    """Whether fixes far apart with heights in wide steps have 0 wherever it stands or taxies, and nothing else.

    The field may lie where 0 is a height like any other; wheels on the ground are still the better guess, good to the
    time between two fixes.
    """
    far = float(np.median(np.diff(track.time_s))) > _FAR_APART_S
    slow = (track.speed_kt < _SLOW_KT) & np.isfinite(track.height_ft)
    heights = np.unique(track.height_ft[np.isfinite(track.height_ft)])
    coarse = heights.size > 1 and float(np.diff(heights).min()) >= _WIDE_STEP_FT
    return far and coarse and int(slow.sum()) >= _FEWEST and bool(zero[slow].all())


def wheels_down(track: Track, first: int, last: int) -> tuple[int, int] | None:
    """Index of the first fix on the ground between two, and of the last; None where none is told to be."""
    down = np.flatnonzero(track.on_ground[first : last + 1] == 1.0)
    return (first + int(down[0]), first + int(down[-1])) if down.size else None
