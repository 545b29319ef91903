"""Whether a student is at a standard: how sure it is that one landing meets all that was measured of it.

The chance of one landing is that the touchdown lies in the window, that the speed is within its limits and that there
is no drift. Where the next ones lie follows from the mean and the scatter so far, each known as well as so many
landings let it be known: all pairs of the two are gone through on a grid, and each counts by how well it explains the
landings (Bayes). So ten landings tell far more than ten times hit or miss would.
"""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cache
from typing import Literal

import numpy as np
from numpy.typing import NDArray
from scipy.special import ndtr, stdtrit
from scipy.stats import beta

from bullseye.core.basis.constants import READ_TO_KT
from bullseye.core.basis.sentence import Phrasebook, Quantity, Sentence, count, knots, share
from bullseye.core.given.standards import Tolerance
from bullseye.core.record.evidence import Flown

Floats = NDArray[np.float64]
State = Literal['at_standard', 'likely', 'not_yet', 'unknown']
Criterion = Literal['touchdown', 'speed', 'drift']
_CRITERIA: tuple[Criterion, ...] = ('touchdown', 'speed', 'drift')

NEEDED_CHANCE = 0.8  # [own] of one landing, that a school asks for unless it sets another
SURE = 0.95  # [own] before anybody is said to be at a standard
LIKELY = 0.5  # [own] from which it is said to be likely
LEAST_JUDGED = 5  # [own] landings, before anything is said
_CONTRADICTED = 0.1  # [own] share of what hits and misses allow, below which they contradict mean and scatter
_HALF_LIFE = 40.0  # [own] landings ago, at which one counts half
_WINDOW = 40  # [own] latest landings that are looked at
# [own] what is believed of a pilot before any landing: means and scatters from pilot to pilot
_MEAN_SD_FT, _SCATTER_FT = 130.0, 100.0  # [own]
_MEAN_SD_KT, _SCATTER_KT = 3.0, 2.4  # [own]
_SPREAD = 0.5  # [own] of the logarithm of a scatter
_DRIFTS, _STRAIGHTS = 0.5, 10.0  # [own] as so many landings seen before, with and without drift
_SAMPLES = 2_000  # [own]
_BOOK = Phrasebook('readiness')


@dataclass(frozen=True, slots=True, kw_only=True)
class Readiness:
    """Where a student stands in one kind of landing by one standard.

    ``chance`` is that of one landing, ``chance_of_three`` of three in a row, ``sure`` how sure it is that the chance is
    what the school asks for; all None of fewer landings than :data:`LEAST_JUDGED`. ``judged_by`` are the criteria that
    were measured often enough, ``not_known`` says of the others what is missing.
    """

    state: State
    judged: int
    met: int
    chance: float | None
    chance_low: float | None  # 95 % of what is believed lies between
    chance_high: float | None
    chance_of_three: float | None
    sure: float | None
    judged_by: tuple[Criterion, ...]
    not_judged: tuple[Criterion, ...]
    weakest: Criterion | None
    words: Sentence
    not_known: tuple[Sentence, ...]


def _undecided(landings: Sequence[Flown], judged: Sequence[Flown], tolerance: Tolerance) -> Readiness:
    """Too few landings, or a standard of which it is not known where the wheels should touch."""
    least = count(LEAST_JUDGED)
    if not tolerance.has_window:
        words = _BOOK.say('no_window')
    elif len(judged) == 1:
        words = _BOOK.say('one_landing', least=least)
    else:
        words = _BOOK.say('too_few', judged=count(len(judged)), least=least)
    return Readiness(
        state='unknown',
        judged=len(judged),
        met=sum(one.meets(tolerance) is True for one in judged),
        chance=None,
        chance_low=None,
        chance_high=None,
        chance_of_three=None,
        sure=None,
        judged_by=(),
        not_judged=_CRITERIA,
        weakest=None,
        words=words,
        not_known=_not_known(landings, len(judged), tolerance),
    )


def readiness(
    flown: Sequence[Flown], *, tolerance: Tolerance, needed: float = NEEDED_CHANCE, sure: float = SURE
) -> Readiness:
    """Whether landings show that their pilot is at a standard.

    :param flown: of one kind, oldest first; go-arounds among them count for nothing, since they were right
    :param needed: the chance of one landing that the school asks for
    :param sure: how sure it must be

    Source: normal model with both figures unknown, by quadrature [pub: Gelman et al., Bayesian Data Analysis, chapter
    3, from memory]; the priors are ours [own].
    """
    landings = [one for one in flown if one.is_landing][-_WINDOW:]
    judged = [one for one in landings if one.from_spot_ft is not None]
    if tolerance.has_window:
        judged = [one for one in judged if one.window_ft(tolerance) is not None]
    if len(judged) < LEAST_JUDGED or not tolerance.has_window:
        return _undecided(landings, judged, tolerance)
    chances = _chances(judged, tolerance)
    together: Floats = np.prod(list(chances.values()), axis=0)
    met = sum(one.meets(tolerance) is True for one in judged)
    by_count = beta.ppf(_uniform(3), 1 + met, 1 + len(judged) - met)
    if float((by_count >= together.mean()).mean()) < _CONTRADICTED:
        together = by_count  # two heaps of landings are not one spread: then what was hit and missed counts alone
    is_sure = float((together >= needed).mean())
    state: State = 'at_standard' if is_sure >= sure else 'likely' if is_sure >= LIKELY else 'not_yet'
    low, high = (float(one) for one in np.quantile(together, (0.025, 0.975)))
    weakest: Criterion = min(chances, key=lambda one: float(chances[one].mean()))
    said = {'sure': share(is_sure), 'needed': share(needed)}
    return Readiness(
        state=state,
        judged=len(judged),
        met=met,
        chance=float(together.mean()),
        chance_low=low,
        chance_high=high,
        chance_of_three=float((together**3).mean()),
        sure=is_sure,
        judged_by=tuple(chances),
        not_judged=tuple(one for one in _CRITERIA if one not in chances),
        weakest=weakest,
        words=_words(state, said, judged, float(together.mean()), needed),
        not_known=_not_known(landings, len(judged), tolerance),
    )


def readiness_by_count(
    met: Sequence[bool],
    *,
    needed: float,
    words: Sentence,
    not_known: tuple[Sentence, ...] = (),
    sure: float = SURE,
) -> Readiness:
    """Whether laps that met something or not show that it is at a standard; later ones count more.

    Source: the beta distribution of a share after so many hits and misses, by Bayes with a flat prior.
    """
    if len(met) < LEAST_JUDGED:
        chances = None
    else:
        counts = _shares(len(met))
        hits = float(counts @ np.array(met, float))
        chances = np.asarray(beta.ppf(_uniform(4), 1 + hits, 1 + float(counts.sum()) - hits), float)
    is_sure = None if chances is None else float((chances >= needed).mean())
    state: State = 'unknown'
    if is_sure is not None:
        state = 'at_standard' if is_sure >= sure else 'likely' if is_sure >= LIKELY else 'not_yet'
    return Readiness(
        state=state,
        judged=len(met),
        met=sum(met),
        chance=None if chances is None else float(chances.mean()),
        chance_low=None if chances is None else float(np.quantile(chances, 0.025)),
        chance_high=None if chances is None else float(np.quantile(chances, 0.975)),
        chance_of_three=None if chances is None else float((chances**3).mean()),
        sure=is_sure,
        judged_by=(),
        not_judged=(),
        weakest=None,
        words=words,
        not_known=not_known,
    )


def _words(state: State, said: dict[str, Quantity], judged: Sequence[Flown], chance: float, needed: float) -> Sentence:
    if state == 'at_standard':
        return _BOOK.say('at_standard', **said, conditions=_conditions(judged))
    if state == 'likely':
        return _BOOK.say('likely', **said)
    return _BOOK.say('not_yet', chance=share(chance), needed=share(needed))


def _conditions(judged: Sequence[Flown]) -> Sentence:
    """In what wind, where and in what they were flown: a standard is met there, and not everywhere."""
    winds = [
        (one.wind_kt, abs(one.crosswind_kt))
        for one in judged
        if one.wind_kt is not None and one.crosswind_kt is not None
    ]
    said = (
        _BOOK.say('winds', wind=knots(max(w for w, _ in winds)), across=knots(max(x for _, x in winds)))
        if winds
        else _BOOK.say('winds_unknown')
    )
    return _BOOK.say(
        'place',
        winds=said,
        runways=_often([one.runway for one in judged]),
        aircraft=_often([one.aircraft for one in judged]),
    )


def _often(names: Sequence[str]) -> str:
    """The names that stand most often, three at most."""
    most = [name for name, _ in Counter(names).most_common(4)]
    return ', '.join(most[:3]) + (' and others' if len(most) > 3 else '')


def _not_known(landings: Sequence[Flown], judged: int, tolerance: Tolerance) -> tuple[Sentence, ...]:
    """Which of the criteria were not measured often enough to be judged, or have no limit that is known."""
    seen: dict[Criterion, int] = {
        'speed': sum(one.speed_off_kt is not None for one in landings),
        'drift': sum(one.drift is not None for one in landings),
    }
    if not judged:
        return ()
    found = []
    for name, number in seen.items():
        if name == 'speed' and not _has_speeds(tolerance):
            found.append(_BOOK.say('no_limit', what=_BOOK.say(name)))
        elif number == 0:
            found.append(_BOOK.say('missing', what=_BOOK.say(name)))
        elif number < LEAST_JUDGED:
            found.append(
                _BOOK.say('not_known', what=_BOOK.say(name), seen=count(number), landings=count(len(landings)))
            )
    return tuple(found)


def _has_speeds(tolerance: Tolerance) -> bool:
    return tolerance.speed_above_kt is not None and tolerance.speed_below_kt is not None


def _chances(judged: Sequence[Flown], tolerance: Tolerance) -> dict[Criterion, Floats]:
    """Chances of one landing to meet each criterion that was measured often enough, as samples of what is believed."""
    found: dict[Criterion, Floats] = {'touchdown': _near(judged, tolerance)}
    speeds = [one.speed_off_kt for one in judged if one.speed_off_kt is not None]
    above_kt, below_kt = tolerance.speed_above_kt, tolerance.speed_below_kt
    if len(speeds) >= LEAST_JUDGED and above_kt is not None and below_kt is not None:
        found['speed'] = _within(
            speeds,
            low=-below_kt - READ_TO_KT,
            high=above_kt + READ_TO_KT,
            mean=0.0,
            mean_sd=_MEAN_SD_KT,
            scatter=_SCATTER_KT,
            number=1,
        )
    straight = [one.is_straight() for one in judged if one.drift is not None]
    if len(straight) >= LEAST_JUDGED:
        counts = _shares(len(straight))
        went = float(counts @ np.array(straight, float))
        found['drift'] = beta.ppf(_uniform(2), _STRAIGHTS + went, _DRIFTS + float(counts.sum()) - went)
    return found


def _near(judged: Sequence[Flown], tolerance: Tolerance) -> Floats:
    """Chances to touch within the window; one that changes with the runway is judged by hits and misses."""
    if tolerance.within_share is not None:
        counts = _shares(len(judged))
        hits = float(counts @ np.array([one.is_near(tolerance) is True for one in judged], float))
        return np.asarray(beta.ppf(_uniform(0), 1 + hits, 1 + float(counts.sum()) - hits), float)
    low_ft, high_ft = tolerance.window_ft
    return _within(
        [one.from_spot_ft for one in judged if one.from_spot_ft is not None],
        low=low_ft,
        high=high_ft,
        mean=tolerance.centre_ft,
        mean_sd=_MEAN_SD_FT,
        scatter=_SCATTER_FT,
        number=0,
    )


def _shares(landings: int) -> Floats:
    """How much each landing counts, oldest first."""
    return np.asarray(0.5 ** (np.arange(landings - 1, -1, -1) / _HALF_LIFE), float)


@cache
def _uniform(number: int) -> Floats:
    """Evenly spread samples between 0 and 1, in an order of their own for each number; the same every time."""
    mid = (np.arange(_SAMPLES) + 0.5) / _SAMPLES
    return np.random.default_rng(20_261_127 + number).permutation(mid)


_MEANS = np.linspace(-4.0, 4.0, 49)  # [own] of the mean, in its standard deviations before any landing
_SCATTERS = np.geomspace(0.15, 5.0, 25)  # [own] in its median


def _within(
    values: Sequence[float],
    *,
    low: float,
    high: float,
    mean: float,
    mean_sd: float,
    scatter: float,
    number: int,
) -> Floats:
    """Chances of the next value to lie within limits, as samples of what is believed of mean and scatter."""
    means, scatters = (
        grid.ravel() for grid in np.meshgrid(mean + mean_sd * _MEANS, scatter * _SCATTERS, indexing='ij')
    )
    log_share = -0.5 * ((means - mean) / mean_sd) ** 2 - 0.5 * (np.log(scatters / scatter) / _SPREAD) ** 2
    off = (np.asarray(values, float)[:, None] - means) / scatters
    log_share = log_share + _shares(len(values)) @ (-0.5 * off**2 - np.log(scatters))
    weight = np.exp(log_share - log_share.max())
    chances = ndtr((high - means) / scatters) - ndtr((low - means) / scatters)
    order = np.argsort(chances)
    reached = np.cumsum(weight[order])
    drawn: Floats = chances[order][np.searchsorted(reached / reached[-1], _uniform(number))]
    return drawn


@dataclass(frozen=True, slots=True, kw_only=True)
class Spread:
    """Mean and scatter of values with 95 % intervals, and how they change from one to the next; None of too few."""

    number: int
    mean: float | None = None
    mean_low: float | None = None
    mean_high: float | None = None
    scatter: float | None = None
    trend: float | None = None  # from one landing to the next
    trend_low: float | None = None
    trend_high: float | None = None


def spread_of(values: Sequence[float]) -> Spread:
    """Mean apart from scatter, and the trend (least squares), oldest first; intervals by Student's t.

    A trend is told from five values on: of fewer it tells nothing.
    """
    y = np.asarray(values, float)
    n = y.size
    if n < 2:
        mean = float(y[0]) if n else None
        return Spread(
            number=n,
            mean=mean,
            mean_low=None,
            mean_high=None,
            scatter=None,
            trend=None,
            trend_low=None,
            trend_high=None,
        )
    mean, scatter = float(y.mean()), float(y.std(ddof=1))
    off = float(stdtrit(n - 1, 0.975)) * scatter / math.sqrt(n)
    trend = low = high = None
    if n >= LEAST_JUDGED:
        x = np.arange(n) - (n - 1) / 2
        trend = float(x @ y / (x @ x))
        rest = y - mean - trend * x
        sd = math.sqrt(float(rest @ rest) / (n - 2) / float(x @ x))
        reach = float(stdtrit(n - 2, 0.975)) * sd
        low, high = trend - reach, trend + reach
    return Spread(
        number=n,
        mean=mean,
        mean_low=mean - off,
        mean_high=mean + off,
        scatter=scatter,
        trend=trend,
        trend_low=low,
        trend_high=high,
    )
