"""Where this pilot's touchdowns will lie: many are simulated, and the share of them in the box is the chance to hit.

The model is ours [own]; docs/model.md gives its equations and its limits.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, fields
from functools import cache, lru_cache
from statistics import NormalDist

import numpy as np
from numpy.typing import NDArray

from bullseye.core.model.touchdown import Approach, touchdown_from_aim_ft

Floats = NDArray[np.float64]
SAMPLES = 10_000  # [own]


@cache
def _even_samples(count: int) -> tuple[Floats, Floats]:
    """Standard normal and uniform samples: evenly spread and paired at random, the same every time."""
    mid = (np.arange(count) + 0.5) / count
    shuffled = np.random.default_rng(20_240_501).permutation(mid)
    return np.array([NormalDist().inv_cdf(share) for share in mid]), shuffled


def even_normal(count: int) -> Floats:
    """Standard normal samples as the simulation takes them, in its order."""
    return _even_samples(count)[0]


# [own]
_WINDS = 33  # between which touchdowns are read: they change smoothly with the wind
_FASTER_KT = np.arange(-26.0, 46.5, 2.0)  # likewise with the speed, less the briefed one
_AS_BRIEFED = int(np.argmin(np.abs(_FASTER_KT)))


def _model_ft(approach: Approach, headwind_kt: Floats) -> Floats:
    """Touchdowns of an approach in many winds [ft from the aim point]."""
    given = {name: getattr(approach, name) for name in (one.name for one in fields(Approach)) if name != 'headwind_kt'}
    if headwind_kt.size <= _WINDS:
        return touchdown_from_aim_ft(headwind_kt=headwind_kt, **given)
    winds = np.linspace(float(headwind_kt.min()), float(headwind_kt.max()), _WINDS)
    return np.interp(headwind_kt, winds, touchdown_from_aim_ft(headwind_kt=winds, **given))


@dataclass(frozen=True, slots=True, kw_only=True)
class PilotForecast:
    """What is believed of one pilot's touchdowns beside the model's.

    ``bias_ft`` is how far beyond the model they land on average, ``bias_sd_ft`` how well that is known, what is
    believed of the deceleration included; ``scatter_ft`` their standard deviation from lap to lap. ``habit_kt`` is the
    mean speed over the threshold less the briefed one, ``habit_sd_kt`` how well that is known, ``speed_scatter_kt`` the
    standard deviation of the speed from lap to lap. A spread is that of the logarithm of its scatter: how well that is
    known. ``speed_effect`` is by how much a touchdown changes with the speed, over the model's, and ``together``
    the correlation of bias and habit, for where only their sum is known; ``scatters_together`` likewise of the
    logarithms of both scatters.
    """

    bias_ft: float = 0.0
    bias_sd_ft: float = 0.0
    scatter_ft: float
    habit_kt: float = 0.0
    habit_sd_kt: float = 0.0
    speed_scatter_kt: float = 0.0
    scatter_spread: float = 0.0
    speed_scatter_spread: float = 0.0
    together: float = 0.0
    scatters_together: float = 0.0
    doubt_with_scatter: float = 0.0
    speed_effect: float = 1.0


def simulate_pilot_ft(
    approach: Approach,
    *,
    pilot: PilotForecast,
    flies_briefed_speed: bool = False,
    gust_headwind_kt: float | None = None,
    variable_wind_kt: float = 0.0,
    swinging_heads_kt: Sequence[float] = (),
    gust_over_steady: float = 1.0,
    count: int = SAMPLES,
) -> Floats:
    """Simulate touchdowns of this pilot from everything uncertain together, from the aim point [ft], shape (count,).

    :param flies_briefed_speed: with the speed of the approach itself, else as this pilot has been flying
    :param gust_headwind_kt: headwind in the gusts; the wind met lies anywhere between it and the steady one
    :param variable_wind_kt: speed of a wind from no known direction, added to the headwind from all round
    :param swinging_heads_kt: headwinds of a wind that swings, in evenly spaced directions, lowest first: any may be met
    :param gust_over_steady: of a swinging wind, by which each of them may be met in a gust

    The samples are evenly spread, so that the result carries no noise and two calls agree.
    """
    normal, uniform = _even_samples(count)
    headwind_kt: Floats | float = approach.headwind_kt
    if len(swinging_heads_kt) > 1:
        places = np.linspace(0.0, 1.0, len(swinging_heads_kt))
        gusting = 1.0 + (gust_over_steady - 1.0) * _even_samples_again(count)
        headwind_kt = np.interp(uniform, places, swinging_heads_kt) * gusting
    elif variable_wind_kt > 0:
        headwind_kt = headwind_kt + variable_wind_kt * np.cos(2 * np.pi * uniform)
    elif gust_headwind_kt is not None and gust_headwind_kt != approach.headwind_kt:
        headwind_kt = headwind_kt + (gust_headwind_kt - approach.headwind_kt) * uniform
    headwind_kt = np.asarray(headwind_kt, float)
    if pilot.speed_scatter_kt == 0 and (flies_briefed_speed or pilot.habit_kt == pilot.habit_sd_kt == 0):
        return (
            _model_ft(approach, headwind_kt) + pilot.bias_ft + math.hypot(pilot.bias_sd_ft, pilot.scatter_ft) * normal
        )
    bias, habit, lap, wide = (_normal(count, number) for number in range(4))
    apart = math.sqrt(max(0.0, 1 - pilot.together**2))
    scatter_ft = pilot.scatter_ft * _spread_out(pilot.scatter_spread, wide)
    both = pilot.scatters_together
    wide_speed = both * wide + math.sqrt(max(0.0, 1 - both**2)) * _normal(count, 4) if both else _normal(count, 4)
    speed_scatter_kt = pilot.speed_scatter_kt * _spread_out(pilot.speed_scatter_spread, wide_speed)
    doubt = _doubt(approach, pilot, scatter_ft, speed_scatter_kt)
    bias_ft = pilot.bias_ft + pilot.bias_sd_ft * doubt * (pilot.together * habit + apart * bias)
    speed_kt = speed_scatter_kt * lap
    if not flies_briefed_speed:
        speed_kt = speed_kt + pilot.habit_kt + pilot.habit_sd_kt * doubt * habit
    return _at_speeds_ft(approach, headwind_kt, speed_kt, pilot.speed_effect) + bias_ft + scatter_ft * normal


def _doubt(
    approach: Approach, pilot: PilotForecast, scatter_ft: Floats | float, speed_scatter_kt: Floats | float
) -> Floats | float:
    """By how much the doubt of the mean differs with the scatter that is drawn, 1 in the mean of its square."""
    if not pilot.doubt_with_scatter:
        return 1.0
    grid = _grid_ft(approach, approach.headwind_kt, approach.headwind_kt)[1][0]
    per_kt = float(grid[_AS_BRIEFED + 1] - grid[_AS_BRIEFED]) / float(_FASTER_KT[1] - _FASTER_KT[0])
    whole: Floats = np.hypot(scatter_ft, per_kt * np.asarray(speed_scatter_kt)) ** pilot.doubt_with_scatter
    found: Floats = whole / np.sqrt(np.mean(whole**2))
    return found


def _spread_out(spread: float, normal: Floats) -> Floats | float:
    """By how much a scatter differs from its median, in samples."""
    return np.exp(spread * normal) if spread else 1.0


def simulate_from_aim_ft(
    approach: Approach,
    *,
    bias_ft: float,
    scatter_ft: float,
    gust_headwind_kt: float | None = None,
    variable_wind_kt: float = 0.0,
    swinging_heads_kt: Sequence[float] = (),
    gust_over_steady: float = 1.0,
    count: int = SAMPLES,
) -> Floats:
    """The same for a known bias and scatter [ft], at the very speed of the approach."""
    return simulate_pilot_ft(
        approach,
        pilot=PilotForecast(bias_ft=bias_ft, scatter_ft=scatter_ft),
        gust_headwind_kt=gust_headwind_kt,
        variable_wind_kt=variable_wind_kt,
        swinging_heads_kt=swinging_heads_kt,
        gust_over_steady=gust_over_steady,
        count=count,
    )


@cache
def _even_samples_again(count: int) -> Floats:
    """Uniform samples, evenly spread and independent of the other ones: how much of a gust is met."""
    return np.random.default_rng(20_261_201).permutation((np.arange(count) + 0.5) / count)


@cache
def _normal(count: int, number: int) -> Floats:
    """Standard normal samples, evenly spread and independent of :func:`even_normal` and of those of other numbers."""
    return np.random.default_rng(20_261_127 + number).permutation(even_normal(count))


@lru_cache(256)
def _grid_ft(approach: Approach, least_wind_kt: float, most_wind_kt: float) -> tuple[Floats, Floats]:
    """Winds, and touchdowns in them at every speed of the grid [ft from the aim point], shape (winds, speeds).

    Kept for the few forecasts that one brief asks of the same approach.
    """
    given = {name: getattr(approach, name) for name in (one.name for one in fields(Approach))}
    winds = np.linspace(least_wind_kt, most_wind_kt, _WINDS if most_wind_kt > least_wind_kt else 1)
    given['headwind_kt'] = winds[:, None]
    given['speed_ktas'] = np.maximum(approach.speed_ktas + _FASTER_KT, 0.3 * approach.touchdown_ktas)
    return winds, touchdown_from_aim_ft(**given)


def _at_speeds_ft(approach: Approach, headwind_kt: Floats, faster_kt: Floats, effect: float) -> Floats:
    """Touchdowns in many winds at many speeds [ft from the aim point], read between a grid of both."""
    winds, grid = _grid_ft(approach, float(np.min(headwind_kt)), float(np.max(headwind_kt)))
    if effect != 1.0:
        at_briefed = grid[:, _AS_BRIEFED : _AS_BRIEFED + 1]
        grid = at_briefed + effect * (grid - at_briefed)
    faster_kt = np.clip(faster_kt, _FASTER_KT[0], _FASTER_KT[-1])
    if winds.size == 1:
        still: Floats = np.interp(faster_kt, _FASTER_KT, grid[0])
        return still
    i, u = _place(headwind_kt, winds)
    j, v = _place(faster_kt, _FASTER_KT)
    near = grid[i, j] * (1 - v) + grid[i, j + 1] * v
    far = grid[i + 1, j] * (1 - v) + grid[i + 1, j + 1] * v
    read: Floats = near * (1 - u) + far * u
    return read


def _place(values: Floats, even: Floats) -> tuple[NDArray[np.intp], Floats]:
    """Where values lie among evenly spaced ones: the index below each, and the share of the way to the next."""
    at = (values - even[0]) / (even[1] - even[0])
    below = np.clip(at.astype(np.intp), 0, even.size - 2)
    return below, at - below


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
