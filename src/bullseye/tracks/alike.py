"""What the landings of one flight tell each other: one pilot in one aeroplane touches down and slows down alike.

A landing alone often leaves two or three moments: where the brakes came on might be where the wheels touched. The
speed that suits all landings on a runway decides between them.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import replace

import numpy as np
from numpy.typing import NDArray

from bullseye.tracks.contact import Contact, speed_evidence, with_prior, with_speed
from bullseye.tracks.contactmodels import Prior

Floats = NDArray[np.float64]

# From lap to lap [own]: scatter of the touchdown speed, gusts included, each as likely; and of how it slows down
_SCATTER_FPS = (1.5, 3.0, 4.5)
_DECELERATION_SD_FPS2, _ROLL_SD_FPS2 = 0.2, 0.3
_STEP_FPS = 0.5
_LEAST = 1e-300  # so that no likelihood is zero


def slowing_like(contact: Contact, others: Sequence[Contact]) -> Contact:
    """A landing weighed anew by how the aeroplane slowed down in its others, held off and on its wheels."""
    prior = contact.models.prior
    deceleration = _joined(
        (prior.deceleration_fps2, prior.deceleration_sd_fps2),
        [(one.deceleration_fps2, one.deceleration_sd_fps2) for one in others],
        _DECELERATION_SD_FPS2,
    )
    roll = _joined(
        (prior.roll_fps2, prior.roll_sd_fps2), [(one.roll_fps2, one.roll_sd_fps2) for one in others], _ROLL_SD_FPS2
    )
    return with_prior(
        contact,
        replace(
            prior,
            deceleration_fps2=deceleration[0],
            deceleration_sd_fps2=deceleration[1],
            roll_fps2=roll[0],
            roll_sd_fps2=roll[1],
        ),
    )


def _joined(prior: tuple[float, float], told: Sequence[tuple[float, float]], lap_to_lap: float) -> tuple[float, float]:
    """Mean and spread of one lap's value, by what is usual and by what other laps told.

    What each lap told has the prior in it: it is taken out before it is counted.
    """
    mean, sd = prior
    total, weight = mean / sd**2, 1 / sd**2
    for value, spread in told:
        precision = 1 / spread**2 - 1 / sd**2
        if precision > 0:
            alone = (value / spread**2 - mean / sd**2) / precision
            share = 1 / (1 / precision + lap_to_lap**2)
            total, weight = total + share * alone, weight + share
    return total / weight, math.sqrt(1 / weight + lap_to_lap**2)


def touching_alike(contacts: Sequence[Contact], prior: Prior) -> list[Contact]:
    """Landings on one runway, each in the light of the touchdown speeds of the others.

    :param prior: of the touchdown speed of the flight, before any of its landings was seen
    """
    reach = 3.5 * prior.touchdown_sd_fps + 12.0
    grid = np.arange(max(prior.touchdown_fps - reach, 5.0), prior.touchdown_fps + reach, _STEP_FPS)
    evidence = [speed_evidence(one, grid) for one in contacts]
    before = -0.5 * ((grid - prior.touchdown_fps) / prior.touchdown_sd_fps) ** 2
    expected = expected_of_each(evidence, grid, before)
    return [with_speed(one, grid, chance) for one, chance in zip(contacts, expected, strict=True)]


def expected_of_each(evidence: Sequence[Floats], grid: Floats, before: Floats) -> list[Floats]:
    """Chances of each lap's value on a grid by the evidence of the other laps.

    The laps are normal about a value of the flight with one of a few scatters. Every lap's evidence is passed on as it
    is, not as a mean, since it often has more than one top; along such a tree these messages are exact [pub: Pearl,
    Probabilistic Reasoning in Intelligent Systems, 1988, 4.2].

    :param evidence: of each lap alone, without a prior: the likelihood of every value of the grid, to any scale
    :param grid: values, evenly spaced, shape (n,)
    :param before: logarithm of the flight's chances before any lap was seen, shape (n,)
    :return: one array a lap, each of sum one
    """
    apart = np.square(grid[:, None] - grid[None, :])
    by_scatter = []
    for scatter in _SCATTER_FPS:
        kernel = np.exp(-0.5 * apart / scatter**2) / scatter
        messages = [np.log(kernel @ one + _LEAST) for one in evidence]
        whole = before + np.sum(messages, axis=0)
        by_scatter.append((kernel, [whole - message for message in messages]))
    expected = []
    for lap in range(len(evidence)):
        top = max(float(rest[lap].max()) for _, rest in by_scatter)
        chance = np.sum([kernel @ np.exp(rest[lap] - top) for kernel, rest in by_scatter], axis=0)
        expected.append(chance / chance.sum())
    return expected
