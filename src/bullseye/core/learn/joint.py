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
from scipy.special import log_ndtr

from bullseye.core.basis.constants import (
    BIAS_SD_FT,
    HABIT_SD_KT,
    PRIOR_SCATTER_FT,
    PRIOR_SPEED_SCATTER_KT,
    PRIOR_SPREAD,
    READ_SD_KT,
)
from bullseye.core.basis.unknown import known_or
from bullseye.core.measure.flown import FlownLap
from bullseye.core.model.touchdown import Approach, reckon

Floats = NDArray[np.float64]

# [own]
_DEGREES = 5.0  # [own] of freedom of Student's t: how soon a lap counts as wild
# [own] by which Student's t is narrower than the normal that it takes the place of, so that of normal laps it finds
# their very scatter: the solution of E[(d+1)z²/(d+z²)] = 1
_NARROWER = 0.8566
_TELLS = (_DEGREES + 1) / (
    _DEGREES + 3
)  # [own] what a lap tells by the expected information of t, over its mean weight
_LATEST_LAPS = 10  # [own] a lesson or two: they tell alike of the pilot who flies now
_HALF_LIFE_LAPS = 16.0  # [own] and so many laps before them a lap tells half as much
_SCATTERS_FT = np.geomspace(15.0, 480.0, 13)
_SPEED_SCATTERS_KT = np.geomspace(0.5, 8.0, 8)
_ROUNDS = 8
_APPROACH = tuple(one.name for one in fields(Approach))
_STEP_FPS2, _STEP_KT = 0.05, 0.5
_MOST_SURPRISED = 4.0  # standard deviations, beyond which a go-around that contradicts everything pulls no harder


@dataclass(frozen=True, slots=True, kw_only=True)
class Prior:
    """What is believed of an aircraft and a pilot before their laps, as means and standard deviations.

    The scatters are medians from pilot to pilot, their spreads the standard deviations of their logarithms.
    """

    deceleration_fps2: float
    deceleration_sd_fps2: float
    bias_ft: float = 0.0
    bias_sd_ft: float = BIAS_SD_FT
    habit_kt: float = 0.0
    habit_sd_kt: float = HABIT_SD_KT
    scatter_ft: float = PRIOR_SCATTER_FT
    speed_scatter_kt: float = PRIOR_SPEED_SCATTER_KT
    scatter_spread: float = PRIOR_SPREAD
    speed_scatter_spread: float = PRIOR_SPREAD
    speed_effect: float = 1.0  # by how much a landing changes with the speed, over what the model says


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
    scatters_corr: float  # of the logarithms: where nobody reads the speed only both together are known
    doubt_with_scatter: float  # power of the scatter with which the doubt of the mean goes; 0 before any lap
    weights: Floats


@dataclass(frozen=True, slots=True)
class _Seen:
    """Laps as arrays, one element a lap."""

    speed_off_kt: Floats  # read less briefed; nan where it is not known
    speed_is_read: NDArray[np.bool_]
    rest_ft: Floats  # touchdown, or what bounds it, less the model's, at the speed that was read, else briefed
    beyond: Floats  # 0 touched there; 1 went around and would have touched farther, -1 nearer
    per_fps2: Floats
    per_kt: Floats
    share: Floats  # how much a lap counts by its age


def slopes_with_speed(laps: Sequence[FlownLap]) -> tuple[float, float, float]:
    """How the touchdowns of one pilot change with the speed that was read, beside what the model says.

    :return: sums over the laps of the model's change with the speed [ft²], of that times what the touchdown differs
        from the model's [ft²], and the squared rest of one lap, each about the pilot's own mean and with what the
        reading of the speed adds taken out again (errors in the variable [pub: Fuller (1987), from memory])
    """
    read = [lap for lap in laps if lap.speed_is_known and lap.touchdown_from_aim_ft is not None and lap.briefed_ktas]
    if len(read) < 2:
        return 0.0, 0.0, 0.0
    seen = _seen(read, np.array([lap.approach.deceleration_fps2 for lap in read]))
    change = seen.per_kt * seen.speed_off_kt
    change, rest = change - change.mean(), seen.rest_ft - np.median(seen.rest_ft)
    rest = np.clip(rest, -_WILD_FT, _WILD_FT)
    rest = rest - rest.mean()
    by_reading = (len(read) - 1) * float((seen.per_kt**2).mean()) * READ_SD_KT**2
    return float(change @ change) - by_reading, float(change @ rest) + by_reading, float(rest @ rest)


_WILD_FT = 600.0  # [own] a landing farther off tells nothing of how they change with the speed


def _place_ft(lap: FlownLap) -> tuple[float, int]:
    """Where a lap touched, from its aim point, or what bounds it and to which side."""
    if lap.touchdown_from_aim_ft is not None:
        return lap.touchdown_from_aim_ft, 0
    if lap.least_from_aim_ft is not None:
        return lap.least_from_aim_ft, 1
    return known_or(lap.most_from_aim_ft, 0.0), -1


def _seen(laps: Sequence[FlownLap], deceleration_fps2: float | Floats, speed_effect: float = 1.0) -> _Seen:
    given = {name: np.array([getattr(lap.approach, name) for lap in laps], float) for name in _APPROACH}
    read = np.array([lap.speed_is_known for lap in laps])
    briefed = np.array([math.nan if lap.briefed_ktas is None else lap.briefed_ktas for lap in laps], float)
    # the model as it is, and a little to either side in deceleration and in speed, all in one go
    spread = np.array([[0.0], [_STEP_FPS2], [-_STEP_FPS2], [0.0], [0.0]])
    touched = [_place_ft(lap) for lap in laps]
    faster = np.array([[0.0], [0.0], [0.0], [_STEP_KT], [-_STEP_KT]])
    changed = {**given, 'deceleration_fps2': deceleration_fps2 + spread, 'speed_ktas': given['speed_ktas'] + faster}
    here, more, less, fast, slow = reckon(**changed)['touchdown_ft']
    per_kt = (fast - slow) / (2 * _STEP_KT)
    speed_off_kt = np.where(read, given['speed_ktas'] - briefed, math.nan)
    more_ft = (speed_effect - 1) * per_kt * np.nan_to_num(speed_off_kt)
    return _Seen(
        speed_off_kt=speed_off_kt,
        speed_is_read=read,
        rest_ft=np.array([place for place, _ in touched]) - here - more_ft,
        beyond=np.array([side for _, side in touched], float),
        per_fps2=(more - less) / (2 * _STEP_FPS2),
        per_kt=speed_effect * per_kt,
        share=share_of_laps(len(laps)),
    )


def share_of_laps(number: int) -> Floats:
    """How much each of so many laps tells of the pilot who flies now, oldest first, shape (number,)."""
    older = np.maximum(0, np.arange(number, 0, -1) - _LATEST_LAPS)
    return np.asarray(0.5 ** (older / _HALF_LIFE_LAPS), float)


def learn(laps: Sequence[FlownLap], *, prior: Prior, by_their_own: bool = False) -> Belief:
    """What laps tell of an aircraft and the pilot who flew them.

    :param laps: oldest first
    :param by_their_own: the laps are of several aircraft or flaps, each reckoned with the deceleration it was briefed
        by; the mean is then the prior's plus what all of them are off

    A touchdown tells bias plus what the deceleration is off; one whose speed nobody read tells the speed habit too, and
    less exactly. A speed that was read tells the habit. A go-around that was going to be long or short tells on which
    side of the box it would have touched: a censored observation [pub: Tobin (1958), from memory]. Sources: conjugate
    normal model of Bayesian textbooks for the linear part; Student's t by reweighting [pub: Lange, Little & Taylor
    (1989), value from memory].
    """
    start = np.array([0.0, prior.bias_ft, prior.habit_kt])  # the deceleration as what it is off
    prior_precision = np.diag([1 / prior.deceleration_sd_fps2**2, 1 / prior.bias_sd_ft**2, 1 / prior.habit_sd_kt**2])
    scatter, speed_scatter = (grid.ravel() for grid in np.meshgrid(_SCATTERS_FT, _SPEED_SCATTERS_KT, indexing='ij'))
    log_prior = (
        -0.5 * (np.log(scatter / prior.scatter_ft) / prior.scatter_spread) ** 2
        - 0.5 * (np.log(speed_scatter / prior.speed_scatter_kt) / prior.speed_scatter_spread) ** 2
    )
    if not laps:
        share = _normed(log_prior)
        means = start[None].repeat(share.size, 0)
        return _mixed(share, means, prior_precision, scatter, speed_scatter, np.empty(0), prior)
    own = np.array([lap.approach.deceleration_fps2 for lap in laps]) if by_their_own else prior.deceleration_fps2
    seen = _seen(laps, own, prior.speed_effect)
    rows, values, shares = _observations(seen, speed_scatter)
    full_sds = _sds(seen, scatter, speed_scatter)
    sds = full_sds * _NARROWER  # scales of Student's t [cells, observations]
    beyond = np.concatenate([seen.beyond, np.zeros(values.shape[1] - len(laps))])
    is_bound = beyond != 0
    found = np.broadcast_to(start, (scatter.size, 3))
    belief = np.ones_like(sds)
    precision = np.broadcast_to(prior_precision, (scatter.size, 3, 3))
    for _ in range(_ROUNDS):
        weights, wanted = shares * belief / sds**2, values
        if is_bound.any():
            bound_weights, bound_values, _ = _bounds(_expected(rows, found), values, beyond, full_sds)
            weights = np.where(is_bound, shares * bound_weights, weights)
            wanted = np.where(is_bound, bound_values, wanted)
        weighted = weights[..., None] * rows
        precision = weighted.transpose(0, 2, 1) @ rows + prior_precision
        pull = (wanted[:, None, :] @ weighted)[:, 0] + prior_precision @ start
        found = np.linalg.solve(precision, pull[..., None])[..., 0]
        off = (values - _expected(rows, found)) / sds
        belief = (_DEGREES + 1) / (_DEGREES + off**2)
    likely = -np.log(sds) - (_DEGREES + 1) / 2 * np.log1p(off**2 / _DEGREES)
    if is_bound.any():
        likely = np.where(is_bound, _bounds(_expected(rows, found), values, beyond, full_sds)[2], likely)
    explained = (shares * likely).sum(axis=1)
    away = found - start
    explained -= 0.5 * np.einsum('ci,ij,cj->c', away, prior_precision, away)
    # how sure it is: weights that find the mean count a lap of Student's t for more than it tells
    precision = prior_precision + _TELLS * (precision - prior_precision)
    explained -= 0.5 * np.linalg.slogdet(precision)[1]
    share = _normed(log_prior + explained)
    count = len(laps)
    believed = np.minimum(1.0, share @ np.where(is_bound, 1.0, belief))[:count]
    mean_row = np.array([seen.per_fps2.mean(), 1.0, seen.per_kt.mean()])
    return _mixed(share, found, precision, scatter, speed_scatter, believed, prior, mean_row=mean_row)


def _bounds(found: Floats, bounds: Floats, beyond: Floats, sds: Floats) -> tuple[Floats, Floats, Floats]:
    """What a landing on one side of a bound tells, as weight and value of an observation of the same slope and bend.

    :param found: where each observation is expected, of every cell
    :return: weights, values and logarithms of the probability
    """
    u = np.clip(beyond * (found - bounds) / sds, -_MOST_SURPRISED, 8.0)
    log_chance: Floats = log_ndtr(u)
    steep = np.exp(-0.5 * u**2 - log_chance) / math.sqrt(2 * math.pi)
    weights = np.maximum(steep * (steep + u), 1e-9) / sds**2
    return weights, found + beyond * steep / sds / weights, log_chance


def _expected(rows: Floats, found: Floats) -> Floats:
    """What each observation is expected to be, in every cell."""
    expected: Floats = (rows @ found[..., None])[..., 0]
    return expected


def _told_by_reading(speed_scatter: Floats) -> Floats:
    """Which share of a speed that was read, off the pilot's mean, is the speed itself and not the reading."""
    told: Floats = speed_scatter**2 / (speed_scatter**2 + READ_SD_KT**2)
    return told


def _observations(seen: _Seen, speed_scatter: Floats) -> tuple[Floats, Floats, Floats]:
    """Rows of the design [cells, observations, 3], what was seen [cells, observations], how much each counts.

    Touchdowns first, then speeds. A touchdown whose speed was read is taken for that reading: of what the reading is
    off the pilot's mean, a part is the speed and the rest the eye's error, the more so the steadier the pilot. The two
    together are the joint normal of landing and reading (errors in the variable [pub: Fuller (1987), from memory]).
    """
    cells = speed_scatter.size
    read = ~np.isnan(seen.speed_off_kt)
    untold = np.where(read, 1 - _told_by_reading(speed_scatter)[:, None], np.where(seen.speed_is_read, 0.0, 1.0))
    by_habit_ft = untold * seen.per_kt
    shape = by_habit_ft.shape
    touchdowns = np.stack(
        [np.broadcast_to(seen.per_fps2, shape), np.ones(shape), by_habit_ft],
        axis=2,
    )
    speeds = np.zeros((cells, int(read.sum()), 3))
    speeds[..., 2] = 1.0
    off_kt = np.where(read, np.nan_to_num(seen.speed_off_kt), 0.0)
    landed_ft = seen.rest_ft + by_habit_ft * off_kt
    return (
        np.concatenate([touchdowns, speeds], axis=1),
        np.concatenate([landed_ft, np.broadcast_to(seen.speed_off_kt[read], (cells, int(read.sum())))], axis=1),
        np.concatenate([seen.share, seen.share[read]]),
    )


def _sds(seen: _Seen, scatter: Floats, speed_scatter: Floats) -> Floats:
    """Standard deviation of every observation in every cell of the grid."""
    read = ~np.isnan(seen.speed_off_kt)
    left_kt = READ_SD_KT * np.sqrt(_told_by_reading(speed_scatter))[:, None]  # of the speed, once it was read
    exact = seen.speed_is_read & ~read  # nothing to tell it against: read, and no speed was briefed
    by_speed_kt = np.where(read, left_kt, np.where(exact, READ_SD_KT, speed_scatter[:, None]))
    touchdowns = np.hypot(scatter[:, None], by_speed_kt * seen.per_kt)
    speeds = np.hypot(speed_scatter, READ_SD_KT)[:, None].repeat(int(read.sum()), axis=1)
    return np.concatenate([touchdowns, speeds], axis=1)


def _normed(log_share: Floats) -> Floats:
    share = np.exp(log_share - log_share.max())
    normed: Floats = share / share.sum()
    return normed


def _spread(share: Floats, values: Floats) -> float:
    mean = float(share @ values)
    return math.sqrt(max(0.0, float(share @ values**2) - mean**2))


def _together(share: Floats, one: Floats, other: Floats) -> float:
    """Correlation of two values over the grid."""
    spreads = _spread(share, one) * _spread(share, other)
    if spreads <= 0:
        return 0.0
    together = float(share @ (one * other)) - float(share @ one) * float(share @ other)
    return min(1.0, max(-1.0, together / spreads))


def _doubt_with_scatter(
    share: Floats, within: Floats, scatter: Floats, speed_scatter: Floats, mean_row: Floats | None
) -> float:
    """How the doubt of the mean touchdown goes with the scatter from cell to cell: the slope of both logarithms.

    Of a pilot who may be wild less is known after as many laps; who takes the two apart says too little of a calm one.
    Source: normal-inverse-gamma model of Bayesian textbooks, in which it is 1.
    """
    if mean_row is None:
        return 0.0
    whole = np.log(np.hypot(scatter, mean_row[2] * speed_scatter))
    doubt = 0.5 * np.log(np.einsum('i,cij,j->c', mean_row, within, mean_row))
    spread = _spread(share, whole)
    if spread <= 0:
        return 0.0
    slope = (float(share @ (whole * doubt)) - float(share @ whole) * float(share @ doubt)) / spread**2
    return min(1.0, max(0.0, slope))


def _mixed(
    share: Floats,
    means: Floats,
    precision: Floats,
    scatter: Floats,
    speed_scatter: Floats,
    weights: Floats,
    prior: Prior,
    *,
    mean_row: Floats | None = None,
) -> Belief:
    """The moments of the mixture over the grid."""
    mean = share @ means
    away = means - mean
    within = np.broadcast_to(np.linalg.inv(precision), (share.size, 3, 3))
    covariance = np.einsum('c,cij->ij', share, within) + np.einsum('c,ci,cj->ij', share, away, away)
    return Belief(
        mean=mean + np.array([prior.deceleration_fps2, 0.0, 0.0]),
        covariance=covariance,
        scatter_ft=math.exp(float(share @ np.log(scatter))),
        scatter_spread=_spread(share, np.log(scatter)),
        speed_scatter_kt=math.exp(float(share @ np.log(speed_scatter))),
        speed_scatter_spread=_spread(share, np.log(speed_scatter)),
        scatters_corr=_together(share, np.log(scatter), np.log(speed_scatter)),
        doubt_with_scatter=_doubt_with_scatter(share, within, scatter, speed_scatter, mean_row),
        weights=weights,
    )
