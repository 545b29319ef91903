"""Smoothing: the most likely path behind noisy fixes, and how sure it is.

A body whose acceleration is white noise, seen through noisy places and speeds. The answer of a Kalman filter run
forward and a smoother run backward [pub: Rauch, Tung, Striebel 1965] is the least-squares solution of one banded
system, which is solved here at once; a test holds the two equal.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from scipy.linalg import cho_solve_banded, cholesky_banded

# [own], tuned on simulated flights that bench/tracks.py does not use
Floats = NDArray[np.float64]
_WINDOW = 150  # fixes
_BANDS = 4  # the diagonal and three beside it: place and speed of neighbours


@dataclass(frozen=True)
class Smoothed:
    """Places and speeds, shape (n,) or (n, axes), and what their spread is worked out from."""

    place: Floats
    speed: Floats
    _bands: Floats

    def spread(self, at: Sequence[int] | NDArray[np.intp]) -> Floats:
        """Standard deviations of place and speed at some fixes, shape (len(at), 2).

        From the fixes within a window about each: what lies further off tells nothing more.
        """
        count = self._bands.shape[1] // 2
        found = np.empty((len(at), 2))
        for row, index in enumerate(at):
            low, high = max(0, index - _WINDOW), min(count, index + _WINDOW + 1)
            unit = np.zeros((2 * (high - low), 2))
            at_place = 2 * (int(index) - low)
            unit[at_place, 0] = unit[at_place + 1, 1] = 1
            factor = cholesky_banded(self._bands[:, 2 * low : 2 * high], lower=True, check_finite=False)
            solved = cho_solve_banded((factor, True), unit, check_finite=False)
            found[row] = solved[at_place, 0], solved[at_place + 1, 1]
        return np.sqrt(np.maximum(found, 0.0))


def smooth(
    time_s: Floats,
    place: Floats,
    *,
    place_sd: Floats | float,
    agility: float,
    speed: Floats | None = None,
    speed_sd: Floats | float = 1.0,
) -> Smoothed:
    """Smooth one or several axes that share their uncertainties.

    :param time_s: rising, shape (n,)
    :param place: shape (n,) or (n, axes); NaN where unknown
    :param place_sd: standard deviation of a place, one or shape (n,)
    :param agility: spectral density of the acceleration, unit of place squared by s³
    :param speed: measured speeds in the same axes; NaN where unknown
    """
    axes = place if place.ndim == 2 else place[:, None]
    count = time_s.size
    known = np.asarray(np.isfinite(axes).all(axis=1), dtype=bool)
    weight = np.where(known, 1 / np.broadcast_to(np.square(place_sd), count), 0.0)
    bands = np.zeros((_BANDS, 2 * count))  # bands[k, j] is the matrix at (j + k, j)
    right = np.zeros((2 * count, axes.shape[1]))
    bands[0, 0::2] += weight
    right[0::2] += np.where(known[:, None], axes, 0.0) * weight[:, None]
    if speed is not None:
        speeds = speed if speed.ndim == 2 else speed[:, None]
        told = np.asarray(np.isfinite(speeds).all(axis=1), dtype=bool)
        weight = np.where(told, 1 / np.broadcast_to(np.square(speed_sd), count), 0.0)
        bands[0, 1::2] += weight
        right[1::2] += np.where(told[:, None], speeds, 0.0) * weight[:, None]
    dt = np.diff(time_s)
    # inverse of the process noise of a step: agility [[dt³/3, dt²/2], [dt²/2, dt]]
    pp, pv, vv = 12 / (agility * dt**3), -6 / (agility * dt**2), 4 / (agility * dt)
    # the step's error is next - F this, F = [[1, dt], [0, 1]]
    bands[0, 0:-2:2] += pp
    bands[1, 0:-2:2] += pp * dt + pv
    bands[0, 1:-2:2] += pp * dt**2 + 2 * pv * dt + vv
    bands[2, 0:-2:2] -= pp
    bands[3, 0:-2:2] -= pv
    bands[1, 1:-2:2] -= pp * dt + pv
    bands[2, 1:-2:2] -= pv * dt + vv
    bands[0, 2::2] += pp
    bands[1, 2::2] += pv
    bands[0, 3::2] += vv
    # a whisper of a prior, so that a stretch without any fix stays solvable
    bands[0] += 1e-9
    factor = cholesky_banded(bands, lower=True, check_finite=False)
    solved = cho_solve_banded((factor, True), right, check_finite=False)
    places, speeds_out = solved[0::2], solved[1::2]
    if place.ndim == 1:
        places, speeds_out = places[:, 0], speeds_out[:, 0]
    return Smoothed(places, speeds_out, bands)


def quantum(values: Floats) -> float:
    """The step in which a signal was written, when it is so coarse that neighbours are often equal; else 0."""
    steps = np.abs(np.diff(values))
    steps = steps[np.isfinite(steps)]
    moved = steps[steps > 1e-6]
    if moved.size < 5 or moved.size > 0.8 * steps.size:
        return 0.0
    return float(np.quantile(moved, 0.1))


def white_noise(values: Floats) -> float:
    """Standard deviation of the white noise in a smooth, evenly sampled signal, by its third differences.

    The median is taken, so that a minority of sharp changes does not count.
    """
    third = np.diff(values, 3)
    third = third[np.isfinite(third)]
    if third.size < 8:
        return float('nan')
    return float(np.median(np.abs(third)) / 0.6745 / np.sqrt(20))
