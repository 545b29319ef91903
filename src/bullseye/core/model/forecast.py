"""Where this pilot's touchdowns will lie: many are simulated, and the share of them in the box is the chance to hit.

The model is ours [own]; docs/model.md gives its equations and its limits.
"""

from __future__ import annotations

from dataclasses import fields
from functools import cache
from statistics import NormalDist

import numpy as np
from numpy.typing import NDArray

from bullseye.core.model.touchdown import Approach, touchdown_from_aim_ft

Floats = NDArray[np.float64]
SAMPLES = 10_000


@cache
def _even_samples(count: int) -> tuple[Floats, Floats]:
    """Standard normal and uniform samples: evenly spread and paired at random, the same every time."""
    mid = (np.arange(count) + 0.5) / count
    shuffled = np.random.default_rng(20_240_501).permutation(mid)
    return np.array([NormalDist().inv_cdf(share) for share in mid]), shuffled


def even_normal(count: int) -> Floats:
    """Standard normal samples as the simulation takes them, in its order."""
    return _even_samples(count)[0]


_WINDS = 33  # between which touchdowns are read: they change smoothly with the wind


def _model_ft(approach: Approach, headwind_kt: Floats) -> Floats:
    """Touchdowns of an approach in many winds [ft from the aim point]."""
    given = {name: getattr(approach, name) for name in (one.name for one in fields(Approach)) if name != 'headwind_kt'}
    if headwind_kt.size <= _WINDS:
        return touchdown_from_aim_ft(headwind_kt=headwind_kt, **given)
    winds = np.linspace(float(headwind_kt.min()), float(headwind_kt.max()), _WINDS)
    return np.interp(headwind_kt, winds, touchdown_from_aim_ft(headwind_kt=winds, **given))


def simulate_from_aim_ft(
    approach: Approach,
    *,
    bias_ft: float,
    scatter_ft: float,
    gust_headwind_kt: float | None = None,
    variable_wind_kt: float = 0.0,
    count: int = SAMPLES,
) -> Floats:
    """Simulate touchdowns of this pilot, from the aim point [ft], shape (count,).

    :param bias_ft: how far the pilot lands beyond the model on average
    :param scatter_ft: standard deviation of the pilot's touchdowns
    :param gust_headwind_kt: headwind in the gusts; the wind met lies anywhere between it and the steady one
    :param variable_wind_kt: speed of a wind from no known direction, added to the headwind from all round

    The samples are evenly spread, so that the result carries no noise and two calls agree.
    """
    normal, uniform = _even_samples(count)
    headwind_kt: Floats | float = approach.headwind_kt
    if variable_wind_kt > 0:
        headwind_kt = headwind_kt + variable_wind_kt * np.cos(2 * np.pi * uniform)
    elif gust_headwind_kt is not None and gust_headwind_kt != approach.headwind_kt:
        headwind_kt = headwind_kt + (gust_headwind_kt - approach.headwind_kt) * uniform
    model_ft = _model_ft(approach, np.asarray(headwind_kt, float))
    return model_ft + bias_ft + scatter_ft * normal


def hit_chance(touchdowns_ft: Floats, *, box_from_ft: float, box_to_ft: float) -> float:
    """Share of touchdowns within the box, its edges included."""
    return float(np.mean((touchdowns_ft >= box_from_ft) & (touchdowns_ft <= box_to_ft)))


def best_shift_ft(touchdowns_ft: Floats, *, box_from_ft: float, box_to_ft: float) -> float:
    """How far to move the aim point so that the most touchdowns fall into the box [ft].

    The middle of all equally good shifts is taken, so that a lopsided wind cannot tip it to an edge.
    """
    landed = np.sort(touchdowns_ft)
    width_ft = box_to_ft - box_from_ft
    inside = np.searchsorted(landed, landed + width_ft, side='right') - np.arange(landed.size)
    best = np.flatnonzero(inside == inside.max())
    first = best[best.size // 2]
    last = min(first + inside[first] - 1, landed.size - 1)
    return float((box_from_ft + box_to_ft) / 2 - (landed[first] + landed[last]) / 2)
