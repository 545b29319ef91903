"""What the laps so far teach: the deceleration of an aircraft from its timed hold-offs, and all of it together."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, fields

import numpy as np
from numpy.typing import NDArray

from bullseye.core.basis.constants import DECELERATION_FPS2, DECELERATION_SD_FPS2, TIMED_SD_FPS2
from bullseye.core.basis.unknown import known_or
from bullseye.core.given.belief import Calibration
from bullseye.core.learn.joint import learn
from bullseye.core.learn.population import Population, from_other_kinds
from bullseye.core.measure.flown import FlownLap
from bullseye.core.model.touchdown import Approach, reckon

_SURE_FPS2 = 0.02  # [own] nothing that is given is surer
_OTHERS_SD_FPS2 = 0.3  # [own] how well the deceleration of other flaps and aircraft is known
_STUDENT_DEGREES = 4.0  # [own] of freedom: how soon a lap counts as wild


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
_ROUNDS = 12  # [own]


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


def fit_deceleration(
    laps: Sequence[FlownLap],
    *,
    prior_fps2: float = DECELERATION_FPS2,
    prior_sd_fps2: float = DECELERATION_SD_FPS2,
) -> Estimate:
    """Deceleration of an aircraft and flap at idle from all its timed laps, whoever flew them [ft/s²]."""
    found = timed_decelerations_fps2(laps)
    return robust_mean(
        found, [TIMED_SD_FPS2] * len(found), prior_mean=prior_fps2, prior_sd=max(prior_sd_fps2, _SURE_FPS2)
    )


def calibrate(
    *,
    aircraft_laps: Sequence[FlownLap],
    pilot_laps: Sequence[FlownLap],
    prior_deceleration_fps2: float,
    prior_deceleration_sd_fps2: float | None = None,
    power_share: float = 1.0,
    other_laps: Sequence[FlownLap] = (),
    population: Population | None = None,
) -> Calibration:
    """Learn from the laps so far.

    :param aircraft_laps: of this aircraft and flap, by every pilot
    :param pilot_laps: of this pilot in this kind of landing and flap, oldest first
    :param prior_deceleration_fps2: at idle, what the aircraft's record says before any lap
    :param prior_deceleration_sd_fps2: how well that is known; ours when not given
    :param other_laps: of this pilot in other kinds, flaps or aircraft, oldest first
    :param population: what the school's pilots are like in this kind; ours when not given
    :param power_share: of the idle deceleration that this kind of landing is flown with; its own laps then tell more
    """
    timed = fit_deceleration(
        aircraft_laps,
        prior_fps2=prior_deceleration_fps2,
        prior_sd_fps2=known_or(prior_deceleration_sd_fps2, DECELERATION_SD_FPS2),
    )
    ours = population or Population()
    if other_laps:
        # the deceleration of other flaps is no concern here: each lap counts by its own
        elsewhere = ours.prior(deceleration_fps2=0.0, deceleration_sd_fps2=_OTHERS_SD_FPS2)
        found_there = learn(other_laps, prior=elsewhere, by_their_own=True)
        ours = from_other_kinds(ours, ours, found_there)
    found = learn(
        pilot_laps, prior=ours.prior(deceleration_fps2=timed.mean * power_share, deceleration_sd_fps2=timed.sd)
    )
    a_fps2, bias_ft, habit_kt = (float(value) for value in found.mean)
    sds = np.sqrt(np.diag(found.covariance))
    together = found.covariance / np.outer(sds, sds)
    # rounded to what is kept of it, far finer than it is known, so that a lap is judged by the very same belief
    return Calibration(
        deceleration_fps2=round(min(max(a_fps2, 0.6), 11.9), 4),
        bias_ft=round(bias_ft, 2),
        scatter_ft=round(found.scatter_ft, 2),
        deceleration_sd_fps2=round(float(sds[0]), 4),
        bias_sd_ft=round(float(sds[1]), 2),
        deceleration_bias_corr=round(float(together[0, 1]), 4),
        speed_habit_kt=round(habit_kt, 3),
        speed_habit_sd_kt=round(float(sds[2]), 3),
        speed_scatter_kt=round(found.speed_scatter_kt, 3),
        scatter_spread=round(found.scatter_spread, 4),
        speed_scatter_spread=round(found.speed_scatter_spread, 4),
        deceleration_habit_corr=round(float(together[0, 2]), 4),
        bias_habit_corr=round(float(together[1, 2]), 4),
        laps=sum(lap.touchdown_from_aim_ft is not None for lap in pilot_laps),
        timed_laps=len(timed.weights),
        pilots=ours.pilots,
        other_laps=len(other_laps),
        doubt_with_scatter=round(found.doubt_with_scatter, 3),
        scatters_corr=round(found.scatters_corr, 4),
        speed_effect=None if ours.speed_effect == 1.0 else ours.speed_effect,
    )
