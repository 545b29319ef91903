"""The models of a landing that a contact is told by: grids of touchdowns, what each predicts, and its evidence."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from bullseye.core.basis.constants import DECELERATION_FPS2

Floats = NDArray[np.float64]

# Priors [own], tuned on simulated flights that the accuracy bench does not use
_DECELERATION_SD_FPS2 = 0.8
_APPROACH_SLOWING_SD_FPS2 = 0.7
_ROLL_FPS2, _ROLL_SD_FPS2 = 2.4, 1.0
SINK_PIECES = 5  # of a second each; the rest of the hold-off is one more
DRIFT_KNOT_S = 1.5


@dataclass(frozen=True, kw_only=True)
class Noise:
    """What the recorder's figures are worth about this landing: standard deviations of the white part."""

    along_ft: float
    speed_fps: float | None  # None: no speeds were recorded
    height_ft: float | None  # None: no heights
    height_drift_ft: float  # wandering of the height, ft in the square root of a second
    height_step_ft: float = 0.0  # in which heights were written: averaging does not help against it
    surface_ft: float = 0.1  # how far the pavement itself is from the plane it is taken for


@dataclass(frozen=True, kw_only=True)
class Samples:
    """Fixes about one landing: seconds, feet along the runway, and what else is known; NaN where it is not."""

    time_s: Floats
    along_ft: Floats
    speed_fps: Floats
    height_ft: Floats  # over the sloping pavement, its offset unknown
    nose_s: float | None = None  # when the nose began to be lowered, where attitude was recorded
    sink_fps: float  # on final
    approach_fps: float  # groundspeed on final


@dataclass(frozen=True, kw_only=True)
class Prior:
    """What is known before looking: of the touchdown speed over the ground, the hold-off and the rollout."""

    touchdown_fps: float
    touchdown_sd_fps: float
    deceleration_fps2: float = DECELERATION_FPS2
    deceleration_sd_fps2: float = _DECELERATION_SD_FPS2
    roll_fps2: float = _ROLL_FPS2
    roll_sd_fps2: float = _ROLL_SD_FPS2

    @property
    def mean(self) -> Floats:
        """Of touchdown speed, deceleration held off and rolling, and how the final slows down, shape (4,)."""
        return np.array([self.touchdown_fps, self.deceleration_fps2, self.roll_fps2, 0.0])

    @property
    def sd(self) -> Floats:
        """Standard deviations of the same, shape (4,)."""
        return np.array(
            [self.touchdown_sd_fps, self.deceleration_sd_fps2, self.roll_sd_fps2, _APPROACH_SLOWING_SD_FPS2]
        )


@dataclass(frozen=True)
class Grid:
    """Models: D moments of touch, and for each the same K pairs of a moment of levelling off and a roundout."""

    touch_s: Floats  # (D,)
    level_s: Floats  # (K,)
    roundout_s: Floats  # (K,)

    @property
    def possible(self) -> NDArray[np.bool_]:
        """Those whose hold-off begins before it ends (D, K)."""
        found: NDArray[np.bool_] = self.touch_s[:, None] >= self.level_s[None, :]
        return found

    @property
    def float_s(self) -> Floats:
        """Length of the hold-off (D, K)."""
        return np.maximum(self.touch_s[:, None] - self.level_s[None, :], 0.0)


def mesh(touches: Floats, levels: Floats, roundouts: Floats, low_s: float) -> Grid:
    """All combinations whose roundout begins low enough; of the shortest ones at least."""
    level, roundout = (one.ravel() for one in np.meshgrid(levels, roundouts, indexing='ij'))
    keep = level - roundout >= low_s
    if not keep.any():
        keep = roundout <= roundout.min()
    return Grid(touches, level[keep], roundout[keep])


def rollout(t: Floats, touch_s: Floats, knots: Floats) -> tuple[Floats, Floats]:
    """Speed and place (D, n, c) of what depends on the touchdown alone: changes of the rollout, and where it was."""
    since = t[None, :] - touch_s[:, None]
    after = np.maximum(since[:, :, None] - knots[1:], 0.0)
    zero, one = np.zeros_like(since)[:, :, None], np.ones_like(since)[:, :, None]
    return np.concatenate([-after, zero], axis=2), np.concatenate([-(after**2) / 2, one], axis=2)


def speed_by_time(t: Floats, grid: Grid) -> tuple[Floats, Floats]:
    """Speed and place (D, K, n, 4) of touchdown speed, deceleration held off and rolling, and slowing on final."""
    d = grid.touch_s[:, None, None]
    r = (grid.level_s - grid.roundout_s)[None, :, None]
    held = np.maximum(d - np.maximum(t, r), 0.0)  # seconds of hold-off still to come
    early = np.maximum(r - t, 0.0) + np.zeros_like(d)
    whole = np.maximum(d - r, 0.0)
    gone = np.where(t < r, whole**2 / 2 + whole * early, held**2 / 2)
    one = np.ones_like(held)
    rolled = np.maximum(t - d, 0.0) * one
    return (
        np.stack([one, held, -rolled, early], axis=3),
        np.stack([(t - d) * one, -gone, -(rolled**2) / 2, -(early**2) / 2], axis=3),
    )


def wander(t: Floats, bends: Floats) -> Floats:
    """Height (n, c) of what depends on no model: the level the ground is read at, and how that wanders."""
    return np.column_stack([np.ones_like(t), np.clip((t[:, None] - bends) / DRIFT_KNOT_S, 0.0, 1.0)])


def own_height(t: Floats, grid: Grid) -> Floats:
    """Height (D, K, n, p) of the sink on final and of the sinks of the hold-off, the last second's first."""
    d, level, tau = grid.touch_s[:, None, None], grid.level_s[None, :, None], grid.roundout_s[None, :, None]
    final = np.clip(level - t, 0.0, tau) ** 2 / (2 * tau) + np.maximum(level - tau - t, 0.0)
    to_go = np.maximum(d - np.maximum(t, level), 0.0)  # seconds of hold-off left, held at its start before it
    out = np.empty((*to_go.shape, SINK_PIECES + 2))
    out[..., 0] = final
    for piece in range(SINK_PIECES):
        out[..., 1 + piece] = np.clip(to_go - piece, 0.0, 1.0)
    out[..., -1] = np.maximum(to_go - SINK_PIECES, 0.0)
    return out


def hold_off_row(float_s: Floats) -> Floats:
    """The height at which the hold-off begins, as one more measurement (G, 1, p)."""
    pieces = [np.clip(float_s - piece, 0.0, 1.0) for piece in range(SINK_PIECES)]
    row = np.stack([np.zeros_like(float_s), *pieces, np.maximum(float_s - SINK_PIECES, 0.0)], axis=1)
    return row[:, None, :]


@dataclass(frozen=True)
class Evidence:
    """Of each model (D K,): log evidence, what it makes of the values of the prior (D K, 4), and of the last sink."""

    log: Floats
    mean: Floats
    covariance: Floats
    last_sink_fps: Floats | None
