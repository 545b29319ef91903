"""The receiver's height against the ground: tied where the wheels are on it, its wandering followed between."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field

import numpy as np

from bullseye.tracks.fields import Runway
from bullseye.tracks.motion import Motion, height_wander_ft
from bullseye.tracks.passes import stretches
from bullseye.tracks.speeds import TAXI_FPS
from bullseye.tracks.track import Floats

# [own], tuned on simulated flights that bench/tracks.py does not use
_LONGEST_S = 20.0  # that one tie stands for
_MOST_PIECES = 100  # of one stretch: an aeroplane that stands all day needs no more
_WANDER_S = 90.0  # beyond this a receiver's error has forgotten itself
_ABOUT_FIELD_FT = 2_500.0
_APRON_SD_FT = 5.0  # the apron is not as high as the runway beside it


@dataclass
class Ties:
    """Moments at which the offset of the height is known."""

    wander_ft: float  # in the square root of a second
    time_s: list[float] = field(default_factory=list)
    offset_ft: list[float] = field(default_factory=list)
    sd_ft: list[float] = field(default_factory=list)

    def add(self, time_s: float, offset_ft: float, sd_ft: float) -> None:
        """Tie it here."""
        self.time_s.append(time_s)
        self.offset_ft.append(offset_ft)
        self.sd_ft.append(sd_ft)

    def at(self, time_s: float, *, but_not_s: float | None = None) -> tuple[float, float]:
        """Offset and its standard deviation at a moment; NaN and infinity when it is nowhere tied.

        :param but_not_s: leave out ties within five seconds of this moment
        """
        times = np.array(self.time_s)
        keep = np.ones(times.size, dtype=bool) if but_not_s is None else np.abs(times - but_not_s) > 5
        if not keep.any():
            return float('nan'), float('inf')
        times = times[keep]
        apart = np.abs(times - time_s)
        variance = np.square(np.array(self.sd_ft)[keep]) + self.wander_ft**2 * np.minimum(apart, _WANDER_S)
        # the nearest tie on either side; others say nothing that these do not
        chosen = [
            int(np.argmin(np.where(side, apart, np.inf))) for side in (times <= time_s, times > time_s) if side.any()
        ]
        weights = 1 / np.maximum(variance[chosen], 0.01)
        offset = float(np.sum(weights * np.array(self.offset_ft)[keep][chosen]) / weights.sum())
        return offset, float(np.sqrt(1 / weights.sum()))

    def along(self, time_s: Floats) -> Floats:
        """Offset at many moments, straight between the ties; NaN when there is none."""
        if not self.time_s:
            return np.full(time_s.size, np.nan)
        order = np.argsort(self.time_s)
        found: Floats = np.interp(time_s, np.array(self.time_s)[order], np.array(self.offset_ft)[order])
        return found


def surface_under(motion: Motion, runways: Sequence[Runway]) -> tuple[Floats, Floats]:
    """Elevation of the nearest runway's pavement under every fix, and the distance from that runway [ft]."""
    best = np.full(motion.time_s.size, np.inf)
    surface = np.full(motion.time_s.size, np.nan)
    for runway in runways:
        along, lateral = motion.along(runway)
        end = runway.end
        beyond = np.maximum(
            0.0, np.maximum(-end.displaced_threshold_ft - along, along - end.landing_distance_available_ft)
        )
        away = np.hypot(beyond, np.maximum(np.abs(lateral) - runway.half_width_ft, 0.0))
        closer = away < best
        best = np.where(closer, away, best)
        surface = np.where(closer, runway.surface_ft(along), surface)
    return surface, best


def tie_on_ground(motion: Motion, runways: Sequence[Runway]) -> Ties:
    """Ties from taxiing and standing about the field."""
    surface, away = surface_under(motion, runways)
    slow = (motion.speed_fps < TAXI_FPS) & (away < _ABOUT_FIELD_FT) & np.isfinite(motion.height_ft)
    ties = Ties(height_wander_ft(motion, np.where(slow & (away < 1), surface, np.nan)))
    for first, last in stretches(slow, motion.time_s, bridge_s=2.0):
        if motion.time_s[last] - motion.time_s[first] < 2.0:
            continue
        pieces = min(max(1, int((motion.time_s[last] - motion.time_s[first]) / _LONGEST_S)), _MOST_PIECES)
        for piece in np.array_split(np.arange(first, last + 1), pieces):
            if piece.size:
                difference = motion.height_ft[piece] - surface[piece]
                sd = 0.7 if np.median(away[piece]) < 1 else _APRON_SD_FT
                ties.add(float(np.mean(motion.time_s[piece])), float(np.median(difference)), sd)
    return ties
