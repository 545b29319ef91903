"""What the laps so far teach: deceleration in the hold-off, and the pilot's bias and scatter."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Annotated

import numpy as np
from annotated_types import Ge, Gt, Le
from numpy.typing import NDArray

from bullseye.core.constants import (
    BIAS_SD_FT,
    DECELERATION_FPS2,
    DECELERATION_SD_FPS2,
    FPS_PER_KT,
    GRAVITY_FPS2,
    SCATTER_FT,
)
from bullseye.core.quantity import Checked, Real
from bullseye.core.touchdown import Approach, Deceleration, touchdown_from_aim_ft

_TIMED_SD_FPS2 = 0.6  # [own] a hold-off timed by hand to half a second and flown to two knots
_PRIOR_LAPS = 3.0  # [own] the prior scatter counts as much as so many laps
_STUDENT_DEGREES = 4.0  # [own] of freedom: how soon a lap counts as wild
_ASSUMED_SPEED_SD_KT = 3.0  # [own] of a threshold speed that nobody read
_HALF_LIFE_LAPS = 4.0  # [own] so many laps ago a lap tells half as much of the pilot who flies now


@dataclass(frozen=True, slots=True, kw_only=True)
class Calibration(Checked):
    """What is believed of an aircraft and a pilot; each None until something is known of it."""

    deceleration_fps2: Deceleration | None = None
    bias_ft: Annotated[Real, Ge(-2_000), Le(3_000)] | None = None
    scatter_ft: Annotated[Real, Gt(0), Le(2_000)] | None = None
    deceleration_sd_fps2: Annotated[Real, Ge(0)] | None = None
    bias_sd_ft: Annotated[Real, Ge(0)] | None = None
    laps: Annotated[int, Ge(0)] = 0
    timed_laps: Annotated[int, Ge(0)] = 0


@dataclass(frozen=True, slots=True, kw_only=True)
class FlownLap:
    """One lap as flown, for learning from.

    ``approach`` holds the true speed at the roundout and the wind of that lap; ``speed_is_known`` tells whether that
    speed was read or only planned. ``float_s`` is None when the hold-off was not timed.
    """

    approach: Approach
    touchdown_from_aim_ft: float
    speed_is_known: bool
    float_s: float | None = None


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


def timed_deceleration_fps2(lap: FlownLap) -> float | None:
    """Deceleration that one timed hold-off shows; None when it shows none.

    The speed lost from the start of the roundout to touchdown, over the time of both: a = (V₀ − V_T)/(t_r + t).
    """
    if lap.float_s is None or not lap.speed_is_known:
        return None
    approach = lap.approach
    v0_fps = approach.speed_ktas * FPS_PER_KT
    lost_fps = v0_fps - approach.touchdown_ktas * FPS_PER_KT
    radius_ft = v0_fps**2 / (GRAVITY_FPS2 * (approach.load_factor - 1))
    roundout_s = radius_ft * math.radians(approach.path_angle_deg) / v0_fps
    found_fps2 = lost_fps / (roundout_s + lap.float_s)
    return found_fps2 if 0.5 < found_fps2 < 12 else None


def fit_deceleration(laps: Sequence[FlownLap], *, prior_fps2: float = DECELERATION_FPS2) -> Estimate:
    """Deceleration of an aircraft and flap from all its timed laps, whoever flew them [ft/s²]."""
    found = [a for lap in laps if (a := timed_deceleration_fps2(lap)) is not None]
    return robust_mean(found, [_TIMED_SD_FPS2] * len(found), prior_mean=prior_fps2, prior_sd=DECELERATION_SD_FPS2)


def fit_pilot(laps: Sequence[FlownLap], *, deceleration_fps2: float) -> tuple[Estimate, float]:
    """Bias [ft] with its certainty, and scatter [ft], of a pilot about the model.

    :param laps: oldest first; what the pilot did lately counts more
    :param deceleration_fps2: of the aircraft, as believed now

    A lap whose speed nobody read counts less, since part of its error may be speed.
    """

    def each(field: str) -> NDArray[np.float64]:
        return np.array([getattr(lap.approach, field) for lap in laps], float)

    model_ft = touchdown_from_aim_ft(
        speed_ktas=each('speed_ktas'),
        touchdown_ktas=each('touchdown_ktas'),
        headwind_kt=each('headwind_kt'),
        path_angle_deg=each('path_angle_deg'),
        deceleration_fps2=deceleration_fps2,
    )
    errors_ft = np.array([lap.touchdown_from_aim_ft for lap in laps], float) - model_ft
    from_speed_ft = np.array([0.0 if lap.speed_is_known else 50.0 * _ASSUMED_SPEED_SD_KT for lap in laps])
    sds_ft = np.hypot(SCATTER_FT, from_speed_ft)
    shares = [0.5 ** ((len(laps) - 1 - i) / _HALF_LIFE_LAPS) for i in range(len(laps))]
    bias = robust_mean(errors_ft, sds_ft, prior_mean=0.0, prior_sd=BIAS_SD_FT, shares=shares)
    squares = float(bias.weights @ (errors_ft - bias.mean) ** 2)
    scatter_ft = math.sqrt((_PRIOR_LAPS * SCATTER_FT**2 + squares) / (_PRIOR_LAPS + bias.weights.sum()))
    return bias, scatter_ft


def calibrate(
    *, aircraft_laps: Sequence[FlownLap], pilot_laps: Sequence[FlownLap], prior_deceleration_fps2: float
) -> Calibration:
    """Learn from the laps so far.

    :param aircraft_laps: of this aircraft and flap, by every pilot
    :param pilot_laps: of this pilot in this aircraft and flap, oldest first
    :param prior_deceleration_fps2: what the aircraft's record says before any lap
    """
    deceleration = fit_deceleration(aircraft_laps, prior_fps2=prior_deceleration_fps2)
    bias, scatter_ft = fit_pilot(pilot_laps, deceleration_fps2=deceleration.mean)
    return Calibration(
        deceleration_fps2=deceleration.mean,
        bias_ft=bias.mean,
        scatter_ft=scatter_ft,
        deceleration_sd_fps2=deceleration.sd,
        bias_sd_ft=bias.sd,
        laps=len(pilot_laps),
        timed_laps=len(deceleration.weights),
    )
