"""What the pilots of a school have in common: priors for one of whom nothing, or little, is known (empirical Bayes)."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Annotated

import numpy as np
from annotated_types import Ge, Gt, Le
from numpy.typing import NDArray

from bullseye.core.basis.constants import (
    BIAS_SD_FT,
    HABIT_SD_KT,
    PRIOR_SCATTER_FT,
    PRIOR_SPEED_SCATTER_KT,
    PRIOR_SPREAD,
    SCHOOL_SCATTER_FT,
    SCHOOL_SPEED_SCATTER_KT,
    SCHOOL_SPREAD,
)
from bullseye.core.basis.quantity import Checked, Real
from bullseye.core.basis.unknown import known_or
from bullseye.core.given.belief import Calibration
from bullseye.core.learn.joint import Belief, Prior, learn, slopes_with_speed
from bullseye.core.measure.flown import FlownLap

Floats = NDArray[np.float64]

_LIKE_PILOTS = 4.0  # [own] by how many pilots of the school our own figures are outweighed evenly
_ROUNDS = 60  # [own]
_LEAST_SHARE = 0.2  # [own] of our own spread from pilot to pilot: the next one may be unlike all before
# [own] correlations of one pilot's figures between two kinds of landing: hands and eyes are the same, the task is not
_BIAS_ALIKE, _HABIT_ALIKE, _SCATTER_ALIKE = 0.5, 0.8, 0.6
# wide enough that the laps of each pilot speak for themselves
_BIAS_WIDE_FT, _HABIT_WIDE_KT, _SPREAD_WIDE = 600.0, 15.0, 1.2  # [own]
_EFFECT_SD = 0.15  # [own] how far the change with speed differs from the model's, from school to school
_LEAST_LANDINGS = 30  # [own] before anything is said of it


@dataclass(frozen=True, slots=True, kw_only=True)
class Population(Checked):
    """How pilots differ, as means and standard deviations from pilot to pilot; as drawn up by us until laps tell.

    Scatters are medians, their spreads standard deviations of the logarithm. ``pilots`` is of how many it was learned.
    """

    bias_ft: Annotated[Real, Ge(-2_000), Le(3_000)] = 0.0
    bias_sd_ft: Annotated[Real, Gt(0), Le(2_000)] = BIAS_SD_FT
    habit_kt: Annotated[Real, Ge(-40), Le(40)] = 0.0
    habit_sd_kt: Annotated[Real, Gt(0), Le(60)] = HABIT_SD_KT
    scatter_ft: Annotated[Real, Gt(0), Le(2_000)] = PRIOR_SCATTER_FT
    scatter_spread: Annotated[Real, Gt(0), Le(3)] = PRIOR_SPREAD
    speed_scatter_kt: Annotated[Real, Gt(0), Le(60)] = PRIOR_SPEED_SCATTER_KT
    speed_scatter_spread: Annotated[Real, Gt(0), Le(3)] = PRIOR_SPREAD
    speed_effect: Annotated[Real, Ge(0.5), Le(2)] = 1.0  # of a knot on the touchdown, over what the model says
    pilots: Annotated[int, Ge(0), Le(10_000_000)] = 0

    def prior(self, *, deceleration_fps2: float, deceleration_sd_fps2: float) -> Prior:
        """What is believed of a pilot of this school in an aircraft, before their laps."""
        return Prior(
            deceleration_fps2=deceleration_fps2,
            deceleration_sd_fps2=deceleration_sd_fps2,
            bias_ft=self.bias_ft,
            bias_sd_ft=self.bias_sd_ft,
            habit_kt=self.habit_kt,
            habit_sd_kt=self.habit_sd_kt,
            scatter_ft=self.scatter_ft,
            scatter_spread=self.scatter_spread,
            speed_scatter_kt=self.speed_scatter_kt,
            speed_scatter_spread=self.speed_scatter_spread,
            speed_effect=self.speed_effect,
        )


def started_from(population: Population, given: Calibration) -> Population:
    """What is believed of one pilot before these laps: as given where it is, else as the pilots of the school are.

    What is given without how well it is known is taken to be known as well as of any pilot.
    """

    def sd(value: float | None, known_sd: float | None, usual: float, least: float) -> float:
        return usual if value is None or known_sd is None else max(known_sd, least)

    return replace(
        population,
        bias_ft=known_or(given.bias_ft, population.bias_ft),
        bias_sd_ft=sd(given.bias_ft, given.bias_sd_ft, population.bias_sd_ft, _SURE_FT),
        habit_kt=known_or(given.speed_habit_kt, population.habit_kt),
        habit_sd_kt=sd(given.speed_habit_kt, given.speed_habit_sd_kt, population.habit_sd_kt, _SURE_KT),
        scatter_ft=known_or(given.scatter_ft, population.scatter_ft),
        scatter_spread=sd(given.scatter_ft, given.scatter_spread, population.scatter_spread, _SURE_SPREAD),
        speed_scatter_kt=max(known_or(given.speed_scatter_kt, population.speed_scatter_kt), _SURE_KT),
        speed_scatter_spread=sd(
            given.speed_scatter_kt, given.speed_scatter_spread, population.speed_scatter_spread, _SURE_SPREAD
        ),
        speed_effect=known_or(given.speed_effect, population.speed_effect),
        pilots=max(population.pilots, given.pilots),
    )


_SURE_FT, _SURE_KT, _SURE_SPREAD = 2.0, 0.1, 0.05  # [own] nothing that is given is surer


def pooled(values: Floats, variances: Floats, *, mean: float, sd: float) -> tuple[float, float]:
    """Mean and standard deviation of what differs from pilot to pilot, from values known with their own variances.

    The posterior mode by expectation and maximisation, with our own figures as so many pilots more. Source: normal
    hierarchical model of Bayesian textbooks [pub: Gelman et al., Bayesian Data Analysis, chapter 5, from memory].

    :param mean: our own, and ``sd`` from pilot to pilot
    """
    if not values.size:
        return mean, sd
    found, between = mean, sd**2
    for _ in range(_ROUNDS):
        # the mean for this spread, then the spread by what each pilot is then believed to be
        shares = 1 / (between + variances)
        found = float((shares @ values + _LIKE_PILOTS / sd**2 * mean) / (shares.sum() + _LIKE_PILOTS / sd**2))
        shrunk = (values * between + found * variances) * shares
        apart = float(((shrunk - found) ** 2 + between * variances * shares).sum())
        between = (apart + _LIKE_PILOTS * sd**2) / (values.size + _LIKE_PILOTS)
    return found, max(math.sqrt(between), _LEAST_SHARE * sd)


# what a school's pilots are drawn towards: how pilots of one school differ, not what is believed of one nobody has seen
_DRAWN_UP = Population(
    scatter_ft=SCHOOL_SCATTER_FT,
    scatter_spread=SCHOOL_SPREAD,
    speed_scatter_kt=SCHOOL_SPEED_SCATTER_KT,
    speed_scatter_spread=SCHOOL_SPREAD,
)


def learn_population(pilots: Sequence[Sequence[FlownLap]], *, base: Population | None = None) -> Population:
    """What pilots of a school are like in one kind of landing.

    :param pilots: laps of each, oldest first, in whatever aircraft
    :param base: what is taken where they tell little; ours when not given
    """
    ours = base or _DRAWN_UP
    speed_effect = _speed_effect(pilots, ours.speed_effect)
    wide = Prior(
        speed_effect=speed_effect,
        deceleration_fps2=0.0,
        deceleration_sd_fps2=0.3,
        bias_sd_ft=_BIAS_WIDE_FT,
        habit_sd_kt=_HABIT_WIDE_KT,
        scatter_spread=_SPREAD_WIDE,
        speed_scatter_spread=_SPREAD_WIDE,
    )
    seen = [learn(laps, prior=wide, by_their_own=True) for laps in pilots if laps]
    if not seen:
        return base or Population()
    means = np.array([one.mean for one in seen])
    variances = np.array([np.diag(one.covariance) for one in seen])
    bias_ft, bias_sd_ft = pooled(means[:, 1], variances[:, 1], mean=ours.bias_ft, sd=ours.bias_sd_ft)
    habit_kt, habit_sd_kt = pooled(means[:, 2], variances[:, 2], mean=ours.habit_kt, sd=ours.habit_sd_kt)
    scatter, scatter_spread = _pooled_scatter(
        [(one.scatter_ft, one.scatter_spread) for one in seen],
        learned_from=wide.scatter_ft,
        median=ours.scatter_ft,
        spread=ours.scatter_spread,
    )
    speed, speed_spread = _pooled_scatter(
        [(one.speed_scatter_kt, one.speed_scatter_spread) for one in seen],
        learned_from=wide.speed_scatter_kt,
        median=ours.speed_scatter_kt,
        spread=ours.speed_scatter_spread,
    )
    return Population(
        bias_ft=round(bias_ft, 2),
        bias_sd_ft=round(bias_sd_ft, 2),
        habit_kt=round(habit_kt, 3),
        habit_sd_kt=round(habit_sd_kt, 3),
        scatter_ft=round(scatter, 2),
        scatter_spread=round(scatter_spread, 4),
        speed_scatter_kt=round(speed, 3),
        speed_scatter_spread=round(speed_spread, 4),
        speed_effect=round(speed_effect, 3),
        pilots=len(seen),
    )


def _speed_effect(pilots: Sequence[Sequence[FlownLap]], usual: float) -> float:
    """By how much the school's landings change with the speed, over what the model says.

    Each pilot against their own mean, since who flies fast may also round out high; drawn towards what is usual.
    """
    sums = [slopes_with_speed(laps) for laps in pilots if len(laps) > 1]
    change, together, rest = (sum(one[k] for one in sums) for k in range(3))
    landings = sum(len(laps) for laps in pilots)
    if change <= 0 or landings < _LEAST_LANDINGS:
        return usual
    variance = rest / landings / change
    told, before = 1 / variance, 1 / _EFFECT_SD**2
    return float(min(max((told * (1 + together / change) + before * usual) / (told + before), 0.6), 1.8))


def _pooled_scatter(
    known: Sequence[tuple[float, float]], *, learned_from: float, median: float, spread: float
) -> tuple[float, float]:
    """Median and spread of scatters that are known each with a spread of its own, all in logarithms.

    What was learned under the wide prior is taken apart from it first: else the prior would count with every pilot.

    :param learned_from: median of that prior; ``median`` and ``spread`` are those of the pilots that are ours
    """
    values, variances = [], []
    for found, sd in known:
        told = 1 / max(sd, 1e-3) ** 2 - 1 / _SPREAD_WIDE**2
        if told > 0.2:  # less says next to nothing
            value = (math.log(found) / sd**2 - math.log(learned_from) / _SPREAD_WIDE**2) / told
            values.append(value)
            variances.append(1 / told)
    middle, apart = pooled(np.array(values), np.array(variances), mean=math.log(median), sd=spread)
    return math.exp(middle), apart


def from_other_kinds(here: Population, there: Population, found: Belief) -> Population:
    """What is believed of a pilot in one kind of landing who has flown others.

    :param here: pilots of the school in this kind
    :param there: in the others
    :param found: what the laps in the others tell of this one, with ``there`` as prior
    """
    sds = np.sqrt(np.diag(found.covariance))
    log = math.log
    # of each figure: mean and spread here, mean and spread there, what was found there and how surely, how alike
    bias, habit, scatter, speed = (
        _carried(*figures)
        for figures in (
            (here.bias_ft, here.bias_sd_ft, there.bias_ft, there.bias_sd_ft, found.mean[1], sds[1], _BIAS_ALIKE),
            (here.habit_kt, here.habit_sd_kt, there.habit_kt, there.habit_sd_kt, found.mean[2], sds[2], _HABIT_ALIKE),
            (
                *(log(here.scatter_ft), here.scatter_spread, log(there.scatter_ft), there.scatter_spread),
                *(log(found.scatter_ft), found.scatter_spread, _SCATTER_ALIKE),
            ),
            (
                *(log(here.speed_scatter_kt), here.speed_scatter_spread),
                *(log(there.speed_scatter_kt), there.speed_scatter_spread),
                *(log(found.speed_scatter_kt), found.speed_scatter_spread, _SCATTER_ALIKE),
            ),
        )
    )
    return Population(
        bias_ft=bias[0],
        bias_sd_ft=bias[1],
        habit_kt=habit[0],
        habit_sd_kt=habit[1],
        scatter_ft=math.exp(scatter[0]),
        scatter_spread=scatter[1],
        speed_scatter_kt=math.exp(speed[0]),
        speed_scatter_spread=speed[1],
        speed_effect=here.speed_effect,
        pilots=here.pilots,
    )


def _carried(
    here: float, here_sd: float, there: float, there_sd: float, found: float, found_sd: float, alike: float
) -> tuple[float, float]:
    """Mean and standard deviation of a figure in one kind, by regression on what was found of it in another."""
    scale = alike * here_sd / there_sd  # the spread from pilot to pilot may differ
    return float(here + scale * (found - there)), math.hypot(scale * found_sd, here_sd * math.sqrt(1 - alike**2))
