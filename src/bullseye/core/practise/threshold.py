"""The angle that an eye just notices, from a few dozen pictures: each next one is the one that tells most.

What is shown is off the path by an angle, positive high; what is said is high, low or right. The eye sees the angle
with an error of standard deviation σ and a constant error m, and says *right* within κ·σ of what looks right; it slips
in 2 of 100. σ is the angle just noticed, m the path that looks right. The next picture is that of the least expected
entropy of what is believed of the three. Source: [own; the method after Kontsevich & Tyler (1999), from memory].
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cache
from statistics import NormalDist
from typing import Literal

import numpy as np
from numpy.typing import NDArray

Said = Literal['high', 'low', 'right']
SAID: tuple[Said, ...] = ('high', 'low', 'right')
Floats = NDArray[np.float64]

SLIPS = 0.02  # [own] of answers that have nothing to do with the picture
SIGMAS_DEG = tuple(float(round(one, 4)) for one in np.geomspace(0.06, 2.5, 32))  # [own]
BIASES_DEG = tuple(float(round(one, 3)) for one in np.linspace(-1.5, 1.5, 21))  # [own]
KAPPAS = (0.25, 0.5, 0.8, 1.2)  # [own]
# what may be shown: fine steps near the path, coarse ones far from it [own]
_STEPS_DEG = (0.0, 0.1, 0.2, 0.3, 0.45, 0.6, 0.8, 1.0, 1.4, 1.8)
OFFSETS_DEG = tuple(sorted({sign * step + 0.0 for step in _STEPS_DEG for sign in (-1, 1)}))  # [own]


@dataclass(frozen=True, slots=True, kw_only=True)
class Answer:
    """One picture and what was said of it."""

    off_deg: float
    said: Said


@dataclass(frozen=True, slots=True, kw_only=True)
class JustNoticed:
    """The angle just noticed [°] with the ends of its 95 % interval, and the offset that looks right with its half."""

    sigma_deg: float
    low_deg: float
    high_deg: float
    looks_right_deg: float
    looks_right_half_deg: float
    answers: int


@cache
def table() -> Floats:
    """Chance of each thing said (high, low, right) by σ, m, κ and offset, shape (3, σ, m, κ, offsets)."""
    sigma = np.array(SIGMAS_DEG)[:, None, None, None]
    bias = np.array(BIASES_DEG)[None, :, None, None]
    kappa = np.array(KAPPAS)[None, None, :, None]
    off = np.array(OFFSETS_DEG)[None, None, None, :]
    felt = (off - bias) / sigma
    cdf = np.vectorize(NormalDist().cdf)
    high = cdf(felt - kappa)
    low = cdf(-felt - kappa)
    seen = np.stack([high, low, np.maximum(0.0, 1 - high - low)])
    found: Floats = SLIPS / 3 + (1 - SLIPS) * seen
    return found


@cache
def _before() -> Floats:
    """What is believed before any picture: all σ alike on a logarithmic scale, the path looking right most likely."""
    bias = np.exp(-(np.array(BIASES_DEG) ** 2) / (2 * 0.6**2))
    flat = np.ones((len(SIGMAS_DEG), len(BIASES_DEG), len(KAPPAS))) * bias[None, :, None]
    found: Floats = flat / flat.sum()
    return found


def belief(answers: Sequence[Answer]) -> Floats:
    """What is believed after some answers, by σ, m and κ, shape (σ, m, κ).

    :raises ValueError: for a picture that is none of those that are shown
    """
    chances, found = table(), _before()
    for one in answers:
        found = found * chances[SAID.index(one.said), ..., OFFSETS_DEG.index(one.off_deg)]
        found = found / found.sum()
    return found


def next_offset_deg(known: Floats) -> float:
    """Which picture tells most: that of the least expected entropy; the first of those that are alike."""
    chances = table()
    expected = np.zeros(len(OFFSETS_DEG))
    for k in range(len(SAID)):
        joint = known[..., None] * chances[k]
        total = joint.sum(axis=(0, 1, 2))
        after = joint / total
        expected -= total * np.sum(after * np.log(after + 1e-300), axis=(0, 1, 2))
    return OFFSETS_DEG[int(np.argmin(np.round(expected, 9)))]


def just_noticed(answers: Sequence[Answer]) -> JustNoticed:
    """The angle just noticed, and the path that looks right."""
    known = belief(answers)
    of_sigma, of_bias = known.sum(axis=(1, 2)), known.sum(axis=(0, 2))
    low, middle, high = (_quantile(np.log(SIGMAS_DEG), of_sigma, one) for one in (0.025, 0.5, 0.975))
    bias = np.array(BIASES_DEG)
    mean = float((of_bias * bias).sum())
    cell = float(bias[1] - bias[0])
    variance = float((of_bias * (bias - mean) ** 2).sum()) + cell**2 / 12
    return JustNoticed(
        sigma_deg=float(np.exp(middle)),
        low_deg=float(np.exp(low)),
        high_deg=float(np.exp(high)),
        looks_right_deg=mean,
        looks_right_half_deg=1.96 * math.sqrt(variance),
        answers=len(answers),
    )


def _quantile(values: Floats, weights: Floats, share: float) -> float:
    """Of cells that are each as wide as their distance: linear within them."""
    half = np.diff(values).mean() / 2
    edges = np.append(values - half, values[-1] + half)
    return float(np.interp(share, np.append(0.0, np.cumsum(weights)), edges))
