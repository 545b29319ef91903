"""One joint belief of an aircraft and a pilot from laps: deceleration, bias, scatter, speed habit and its scatter.

For given scatters everything else is linear and normal, so it is reckoned exactly; the two scatters are gone through on
a grid, and each pair counts by how well it explains the laps (quadrature). Wild laps lose their weight by Student's t.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, fields

import numpy as np
from numpy.typing import NDArray

from bullseye.core.basis.constants import (
    BIAS_SD_FT,
    HABIT_SD_KT,
    SCATTER_FT,
    SCATTER_SPREAD,
    SPEED_SCATTER_KT,
)
from bullseye.core.measure.flown import FlownLap
from bullseye.core.model.touchdown import Approach, reckon

Floats = NDArray[np.float64]

# [own]
READ_SD_KT = 1.5  # [own] of a speed that the right seat reads
_DEGREES = 5.0  # [own] of freedom of Student's t: how soon a lap counts as wild
_HALF_LIFE_LAPS = 8.0  # [own] so many laps ago a lap tells half as much of the pilot who flies now
_SCATTERS_FT = np.geomspace(30.0, 420.0, 11)
_SPEED_SCATTERS_KT = np.geomspace(0.8, 8.0, 7)
_ROUNDS = 8
_APPROACH = tuple(one.name for one in fields(Approach))
_STEP_FPS2, _STEP_KT = 0.05, 0.5


@dataclass(frozen=True, slots=True, kw_only=True)
class Prior:
    """What is believed of an aircraft and a pilot before their laps, as means and standard deviations."""

    deceleration_fps2: float
    deceleration_sd_fps2: float
    bias_ft: float = 0.0
    bias_sd_ft: float = BIAS_SD_FT
    habit_kt: float = 0.0
    habit_sd_kt: float = HABIT_SD_KT
    scatter_ft: float = SCATTER_FT
    speed_scatter_kt: float = SPEED_SCATTER_KT


@dataclass(frozen=True, slots=True, kw_only=True)
class Belief:
    """What laps and prior tell together.

    ``mean`` and ``covariance`` [3], [3, 3] are of deceleration [ft/s²], bias [ft] and speed habit [kt]; the scatters
    are medians, and their spreads the standard deviations of their logarithms. ``weights`` tells how much each lap's
    touchdown was believed: 1 fully, near 0 wild.
    """

    mean: Floats
    covariance: Floats
    scatter_ft: float
    scatter_spread: float
    speed_scatter_kt: float
    speed_scatter_spread: float
    weights: Floats


@dataclass(frozen=True, slots=True)
class _Seen:
    """Laps as arrays, one element a lap."""

    speed_off_kt: Floats  # read less briefed; nan where it is not known
    speed_is_read: NDArray[np.bool_]
    rest_ft: Floats  # touchdown less the model's, at the speed that was read, else briefed
    per_fps2: Floats
    per_kt: Floats
    share: Floats  # how much a lap counts by its age


def _seen(laps: Sequence[FlownLap], deceleration_fps2: float) -> _Seen:
    given = {name: np.array([getattr(lap.approach, name) for lap in laps], float) for name in _APPROACH}
    read = np.array([lap.speed_is_known for lap in laps])
    briefed = np.array([math.nan if lap.briefed_ktas is None else lap.briefed_ktas for lap in laps], float)
    # the model as it is, and a little to either side in deceleration and in speed, all in one go
    spread = np.array([[0.0], [_STEP_FPS2], [-_STEP_FPS2], [0.0], [0.0]])
    faster = np.array([[0.0], [0.0], [0.0], [_STEP_KT], [-_STEP_KT]])
    changed = {**given, 'deceleration_fps2': deceleration_fps2 + spread, 'speed_ktas': given['speed_ktas'] + faster}
    here, more, less, fast, slow = reckon(**changed)['touchdown_ft']
    age = np.arange(len(laps) - 1, -1, -1)
    return _Seen(
        speed_off_kt=np.where(read, given['speed_ktas'] - briefed, math.nan),
        speed_is_read=read,
        rest_ft=np.array([lap.touchdown_from_aim_ft for lap in laps]) - here,
        per_fps2=(more - less) / (2 * _STEP_FPS2),
        per_kt=(fast - slow) / (2 * _STEP_KT),
        share=0.5 ** (age / _HALF_LIFE_LAPS),
    )


def learn(laps: Sequence[FlownLap], *, prior: Prior) -> Belief:
    """What laps tell of an aircraft and the pilot who flew them.

    :param laps: oldest first

    A touchdown tells bias plus what the deceleration is off; one whose speed nobody read tells the speed habit too, and
    less exactly. A speed that was read tells the habit. Sources: conjugate normal model of Bayesian textbooks for the
    linear part; Student's t by reweighting [pub: Lange, Little & Taylor (1989), value from memory].
    """
    start = np.array([prior.deceleration_fps2, prior.bias_ft, prior.habit_kt])
    prior_precision = np.diag([1 / prior.deceleration_sd_fps2**2, 1 / prior.bias_sd_ft**2, 1 / prior.habit_sd_kt**2])
    scatter, speed_scatter = (grid.ravel() for grid in np.meshgrid(_SCATTERS_FT, _SPEED_SCATTERS_KT, indexing='ij'))
    log_prior = (
        -0.5 * (np.log(scatter / prior.scatter_ft) / SCATTER_SPREAD) ** 2
        - 0.5 * (np.log(speed_scatter / prior.speed_scatter_kt) / SCATTER_SPREAD) ** 2
    )
    if not laps:
        share = _normed(log_prior)
        return _mixed(share, start[None].repeat(share.size, 0), prior_precision, scatter, speed_scatter, np.empty(0))
    seen = _seen(laps, prior.deceleration_fps2)
    rows, values, shares = _observations(seen, prior.deceleration_fps2)
    # the scale of Student's t of the same standard deviation [cells, observations]
    sds = _sds(seen, scatter, speed_scatter) * math.sqrt((_DEGREES - 2) / _DEGREES)
    found = np.broadcast_to(start, (scatter.size, 3))
    belief = np.ones_like(sds)
    precision = np.broadcast_to(prior_precision, (scatter.size, 3, 3))
    for _ in range(_ROUNDS):
        weights = shares * belief / sds**2
        precision = np.einsum('co,oi,oj->cij', weights, rows, rows) + prior_precision
        pull = (weights * values) @ rows + prior_precision @ start
        found = np.linalg.solve(precision, pull[..., None])[..., 0]
        off = (values - found @ rows.T) / sds
        belief = (_DEGREES + 1) / (_DEGREES + off**2)
    explained = (shares * (-np.log(sds) - (_DEGREES + 1) / 2 * np.log1p(off**2 / _DEGREES))).sum(axis=1)
    away = found - start
    explained -= 0.5 * np.einsum('ci,ij,cj->c', away, prior_precision, away)
    explained -= 0.5 * np.linalg.slogdet(precision)[1]
    share = _normed(log_prior + explained)
    count = len(laps)
    return _mixed(share, found, precision, scatter, speed_scatter, np.minimum(1.0, share @ belief)[:count])


def _observations(seen: _Seen, deceleration_fps2: float) -> tuple[Floats, Floats, Floats]:
    """Rows of the design [observations, 3], what was seen, and how much each counts; touchdowns first, then speeds."""
    ones, none = np.ones_like(seen.rest_ft), np.zeros_like(seen.rest_ft)
    touchdowns = np.stack([seen.per_fps2, ones, np.where(seen.speed_is_read, 0.0, seen.per_kt)], axis=1)
    values = seen.rest_ft + seen.per_fps2 * deceleration_fps2  # the row multiplies the deceleration, not its difference
    read = ~np.isnan(seen.speed_off_kt)
    speeds = np.stack([none, none, ones], axis=1)[read]
    return (
        np.concatenate([touchdowns, speeds]),
        np.concatenate([values, seen.speed_off_kt[read]]),
        np.concatenate([seen.share, seen.share[read]]),
    )


def _sds(seen: _Seen, scatter: Floats, speed_scatter: Floats) -> Floats:
    """Standard deviation of every observation in every cell of the grid."""
    by_speed = np.where(seen.speed_is_read, READ_SD_KT, speed_scatter[:, None]) * seen.per_kt
    touchdowns = np.hypot(scatter[:, None], by_speed)
    read = ~np.isnan(seen.speed_off_kt)
    speeds = np.hypot(speed_scatter, READ_SD_KT)[:, None].repeat(int(read.sum()), axis=1)
    return np.concatenate([touchdowns, speeds], axis=1)


def _normed(log_share: Floats) -> Floats:
    share = np.exp(log_share - log_share.max())
    normed: Floats = share / share.sum()
    return normed


def _spread(share: Floats, values: Floats) -> float:
    mean = float(share @ values)
    return math.sqrt(max(0.0, float(share @ values**2) - mean**2))


def _mixed(
    share: Floats, means: Floats, precision: Floats, scatter: Floats, speed_scatter: Floats, weights: Floats
) -> Belief:
    """The moments of the mixture over the grid."""
    mean = share @ means
    away = means - mean
    within = np.broadcast_to(np.linalg.inv(precision), (share.size, 3, 3))
    covariance = np.einsum('c,cij->ij', share, within) + np.einsum('c,ci,cj->ij', share, away, away)
    return Belief(
        mean=mean,
        covariance=covariance,
        scatter_ft=math.exp(float(share @ np.log(scatter))),
        scatter_spread=_spread(share, np.log(scatter)),
        speed_scatter_kt=math.exp(float(share @ np.log(speed_scatter))),
        speed_scatter_spread=_spread(share, np.log(speed_scatter)),
        weights=weights,
    )
