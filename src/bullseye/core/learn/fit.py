"""What the laps so far teach: deceleration in the hold-off, and the pilot's bias and scatter."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, fields, replace

import numpy as np
from numpy.typing import NDArray

from bullseye.core.basis.constants import (
    BIAS_SD_FT,
    DECELERATION_FPS2,
    DECELERATION_SD_FPS2,
    SCATTER_FT,
)
from bullseye.core.given.belief import Calibration
from bullseye.core.measure.flown import FlownLap
from bullseye.core.model.touchdown import Approach, reckon

_TIMED_SD_FPS2 = 0.6  # [own] a hold-off timed by hand to half a second and flown to two knots
_PRIOR_LAPS = 3.0  # [own] the prior scatter counts as much as so many laps
_STUDENT_DEGREES = 4.0  # [own] of freedom: how soon a lap counts as wild
_ASSUMED_SPEED_SD_KT = 3.0  # [own] of a threshold speed that nobody read
_HALF_LIFE_LAPS = 4.0  # [own] so many laps ago a lap tells half as much of the pilot who flies now


@dataclass(frozen=True, slots=True, kw_only=True)
class Estimate:
    """A weighted mean, its standard deviation, and the weight each value got (1: believed, near 0: wild)."""

    mean: float
    sd: float
    weights: NDArray[np.float64]


def robust_mean(
    values: Sequence[float] | NDArray[np.float64],
    sds: Sequence[float] | NDArray[np.float64],
    *,
    prior_mean: float,
    prior_sd: float,
    shares: Sequence[float] | None = None,
) -> Estimate:
    """Mean of values that may hold wild ones, drawn towards a prior.

    Student's t with four degrees of freedom, by iterated reweighting from the median: one wild value loses its weight
    instead of moving the mean. With no values it is the prior.

    :param shares: how much each value counts beside its certainty, 1 for all when not given

    Source: [pub: Lange, Little & Taylor (1989), J. Am. Stat. Assoc. 84, 881-896, value from memory].
    """
    y, sd = np.asarray(values, float), np.asarray(sds, float)
    share = np.ones_like(y) if shares is None else np.asarray(shares, float)
    weights = share
    prior_precision = 1 / prior_sd**2
    mean = _weighted_median(y, share) if y.size else prior_mean
    for _ in range(50):
        belief = (_STUDENT_DEGREES + 1) / (_STUDENT_DEGREES + ((y - mean) / sd) ** 2)
        weights = share * np.minimum(1.0, belief)
        precision = weights / sd**2
        moved = float((precision @ y + prior_precision * prior_mean) / (precision.sum() + prior_precision))
        if abs(moved - mean) < 1e-9 * prior_sd:
            mean = moved
            break
        mean = moved
    return Estimate(mean=mean, sd=float(1 / math.sqrt((weights / sd**2).sum() + prior_precision)), weights=weights)


def _weighted_median(y: NDArray[np.float64], share: NDArray[np.float64]) -> float:
    """Value with half of the shares on either side; between the middle two when they are even."""
    order = np.argsort(y)
    reached = (np.cumsum(share[order]) - share[order] / 2) / share.sum()
    return float(np.interp(0.5, reached, y[order]))


_APPROACH = tuple(one.name for one in fields(Approach))
_ROUNDS = 12


def _columns(laps: Sequence[FlownLap]) -> dict[str, NDArray[np.float64]]:
    """The approaches of laps as arrays by the names of their members."""
    return {name: np.array([getattr(lap.approach, name) for lap in laps]) for name in _APPROACH}


def timed_decelerations_fps2(laps: Sequence[FlownLap]) -> list[float]:
    """Decelerations that timed hold-offs at idle show [ft/s²], in the order of the laps; those that show none left out.

    The deceleration with which the model's float takes as long as the clock said, by false position between the ends of
    what is possible.
    """
    timed = [lap for lap in laps if lap.float_s is not None and lap.speed_is_known and lap.is_idle]
    if not timed:
        return []
    given = _columns(timed)
    clock_s = np.array([lap.float_s for lap in timed], float)

    def late_s(a_fps2: NDArray[np.float64]) -> NDArray[np.float64]:
        late: NDArray[np.float64] = reckon(**{**given, 'deceleration_fps2': a_fps2})['float_s'] - clock_s
        return late

    low, high = np.full(clock_s.size, 0.5), np.full(clock_s.size, 12.0)
    at_low, at_high = late_s(low), late_s(high)
    shows = (at_low > 0) & (at_high < 0)
    found = np.sqrt(low * high)
    for _ in range(_ROUNDS):
        at = late_s(found)
        low, high = np.where(at > 0, found, low), np.where(at > 0, high, found)
        # the time goes with 1/a, so the middle is taken of the logarithms
        found = np.sqrt(low * high)
    return [float(a) for a, good in zip(found, shows, strict=True) if good]


def fit_deceleration(laps: Sequence[FlownLap], *, prior_fps2: float = DECELERATION_FPS2) -> Estimate:
    """Deceleration of an aircraft and flap at idle from all its timed laps, whoever flew them [ft/s²]."""
    found = timed_decelerations_fps2(laps)
    return robust_mean(found, [_TIMED_SD_FPS2] * len(found), prior_mean=prior_fps2, prior_sd=DECELERATION_SD_FPS2)


@dataclass(frozen=True, slots=True, kw_only=True)
class PilotFit:
    """What a pilot's touchdowns tell together: the aircraft's deceleration, and the pilot's bias and scatter."""

    deceleration: Estimate
    bias: Estimate
    scatter_ft: float


def _recency(count: int) -> NDArray[np.float64]:
    """Shares of laps, oldest first: half as much every four laps back."""
    return 0.5 ** (np.arange(count - 1, -1, -1) / _HALF_LIFE_LAPS)


def fit_pilot(laps: Sequence[FlownLap], *, deceleration: Estimate) -> PilotFit:
    """Fit touchdown = model(speed, wind, deceleration) + bias to a pilot's laps.

    :param laps: oldest first; what the pilot did lately counts more
    :param deceleration: of the aircraft, as believed before; its certainty says how far these laps may move it

    The most probable pair under normal priors and Student's t with four degrees of freedom, by Gauss-Newton with
    reweighting [pub: Lange, Little & Taylor (1989), value from memory]; certainties from the curvature there. Bias and
    deceleration are told apart by laps of different speeds; without any, the prior decides. A lap whose speed nobody
    read counts less, since part of its error may be speed.
    """
    if not laps:
        none = np.empty(0)
        bias = Estimate(mean=0.0, sd=BIAS_SD_FT, weights=none)
        return PilotFit(deceleration=deceleration, bias=bias, scatter_ft=SCATTER_FT)
    flown_ft = np.array([lap.touchdown_from_aim_ft for lap in laps])
    sds_ft = np.hypot(SCATTER_FT, [0.0 if lap.speed_is_known else 50.0 * _ASSUMED_SPEED_SD_KT for lap in laps])
    shares = _recency(len(laps))
    given = _columns(laps)

    def model_ft(a_fps2: float | NDArray[np.float64]) -> NDArray[np.float64]:
        return reckon(**{**given, 'deceleration_fps2': np.asarray(a_fps2, float)})['touchdown_ft']

    around = np.array([[0.0], [0.01], [-0.01]])
    prior_precision = np.diag([1 / deceleration.sd**2, 1 / BIAS_SD_FT**2])
    prior = np.array([deceleration.mean, 0.0])
    found = np.array([deceleration.mean, _weighted_median(flown_ft - model_ft(deceleration.mean), shares)])
    belief, precision = np.ones_like(flown_ft), prior_precision
    for _ in range(60):
        here_ft, more_ft, less_ft = model_ft(found[0] + around)
        rest_ft = flown_ft - here_ft - found[1]
        belief = np.minimum(1.0, (_STUDENT_DEGREES + 1) / (_STUDENT_DEGREES + (rest_ft / sds_ft) ** 2))
        weights = shares * belief / sds_ft**2
        slope = (more_ft - less_ft) / 0.02
        across = weights @ slope
        precision = np.array([[weights @ slope**2, across], [across, weights.sum()]]) + prior_precision
        pull = np.array([(weights * slope) @ rest_ft, weights @ rest_ft]) + prior_precision @ (prior - found)
        step = np.linalg.solve(precision, pull)
        found = found + np.clip(step, [-0.3, -400.0], [0.3, 400.0])
        found[0] = min(max(found[0], 0.8), 11.0)
        if abs(step[0]) < 1e-5 and abs(step[1]) < 1e-3:
            break
    sds = np.sqrt(np.diag(np.linalg.inv(precision)))
    rest_ft = flown_ft - model_ft(found[0]) - found[1]
    counted = shares * belief
    scatter_ft = math.sqrt((_PRIOR_LAPS * SCATTER_FT**2 + counted @ rest_ft**2) / (_PRIOR_LAPS + counted.sum()))
    return PilotFit(
        deceleration=Estimate(mean=float(found[0]), sd=float(sds[0]), weights=belief),
        bias=Estimate(mean=float(found[1]), sd=float(sds[1]), weights=belief),
        scatter_ft=scatter_ft,
    )


def calibrate(
    *,
    aircraft_laps: Sequence[FlownLap],
    pilot_laps: Sequence[FlownLap],
    prior_deceleration_fps2: float,
    power_share: float = 1.0,
) -> Calibration:
    """Learn from the laps so far.

    :param aircraft_laps: of this aircraft and flap, by every pilot
    :param pilot_laps: of this pilot in this aircraft and flap, oldest first
    :param prior_deceleration_fps2: at idle, what the aircraft's record says before any lap
    :param power_share: of the idle deceleration that this kind of landing is flown with; its own laps then tell more
    """
    timed = fit_deceleration(aircraft_laps, prior_fps2=prior_deceleration_fps2)
    as_flown = replace(timed, mean=timed.mean * power_share)
    fit = fit_pilot(pilot_laps, deceleration=as_flown)
    # rounded to what is kept of it, far finer than it is known, so that a lap is judged by the very same belief
    return Calibration(
        deceleration_fps2=round(fit.deceleration.mean, 4),
        bias_ft=round(fit.bias.mean, 2),
        scatter_ft=round(fit.scatter_ft, 2),
        deceleration_sd_fps2=round(fit.deceleration.sd, 4),
        bias_sd_ft=round(fit.bias.sd, 2),
        laps=len(pilot_laps),
        timed_laps=len(timed.weights),
    )
