"""A sortie's landings together: where they lie, how far they spread, and the one change that follows."""

from __future__ import annotations

import math
import statistics
from collections.abc import Sequence
from dataclasses import dataclass

from scipy.special import stdtrit

from bullseye.core.explain.diagnosis import Cause, Diagnosis
from bullseye.core.explain.scoring import Score
from bullseye.core.given.airfield import in_stripes

_SELDOM = 0.1  # [own] of lessons, in which luck alone makes as many or as few hits
_ENOUGH_LAPS = 3  # [own] fewer cannot tell a habit from chance
_TIGHT_FT = 75.0  # [own] a spread that needs no remedy


@dataclass(frozen=True, slots=True, kw_only=True)
class Summary:
    """Landings of one sortie against their targets; None where too few were measured."""

    laps: int
    landings: int
    measured: int
    go_arounds: int
    hits: int
    mean_error_ft: float | None
    spread_ft: float | None
    expected_hits: float | None  # by the forecasts of the laps; None where none is known
    luck_words: str
    one_change: str


def summarise(
    laps: Sequence[tuple[Score, Diagnosis, bool]],
    *,
    next_aim_ft: float | None = None,
    next_spot_ft: float | None = None,
    chances: Sequence[float | None] = (),
) -> Summary:
    """Sum up laps given as score, diagnosis and whether it was a go-around.

    :param next_aim_ft: aim point of the next brief, which has learned from these laps; None when there is none
    :param next_spot_ft: the spot that it is for
    :param chances: of each lap to hit, as it was forecast before it; None where it was not

    A steady error is told from a scattered one: the mean must be larger than what chance makes of the spread
    (Student's t at 95 %: of three laps much more than of ten), else the speed comes before the aim point.
    """
    errors_ft = [diagnosis.error_ft for _, diagnosis, _ in laps if diagnosis.error_ft is not None]
    go_arounds = sum(went_around for _, _, went_around in laps)
    mean_ft = statistics.fmean(errors_ft) if errors_ft else None
    spread_ft = statistics.stdev(errors_ft) if len(errors_ft) > 1 else None
    hit_of = [(chance, score.hit) for chance, (score, _, _) in zip(chances, laps, strict=False)]
    known = [(chance, hit) for chance, hit in hit_of if chance is not None and hit is not None]
    return Summary(
        laps=len(laps),
        landings=len(laps) - go_arounds,
        measured=len(errors_ft),
        go_arounds=go_arounds,
        hits=sum(score.hit is True for score, _, _ in laps),
        mean_error_ft=mean_ft,
        spread_ft=spread_ft,
        expected_hits=sum(chance for chance, _ in known) if known else None,
        luck_words=_luck_words([chance for chance, _ in known], sum(hit for _, hit in known)),
        one_change=_one_change(
            [diagnosis for _, diagnosis, _ in laps],
            mean_ft=mean_ft,
            spread_ft=spread_ft,
            measured=len(errors_ft),
            next_aim_ft=next_aim_ft,
            next_spot_ft=next_spot_ft,
        ),
    )


def hits_distribution(chances: Sequence[float]) -> list[float]:
    """Probability of 0, 1, 2 … hits of landings with these chances, each by itself (Poisson's binomial)."""
    found = [1.0]
    for chance in chances:
        found = [
            (found[k] * (1 - chance) if k < len(found) else 0.0) + (found[k - 1] * chance if k else 0.0)
            for k in range(len(found) + 1)
        ]
    return found


def _once_in(chance: float) -> str:
    lessons = 1 / max(chance, 1e-9)
    return f'once in {lessons:.0f} lessons' if lessons < 100 else 'in less than one lesson of a hundred'


def _luck_words(chances: Sequence[float], hits: int) -> str:
    """Luck from skill: how often the forecast makes as many hits as were seen."""
    if len(chances) < _ENOUGH_LAPS:
        return ''
    of_each = hits_distribution(chances)
    expected = sum(chances)
    times = {0: 'never', 1: 'once', 2: 'twice'}.get(hits, f'{hits} times')
    seen = f'In the box {times} in {len(chances)} landings, where the forecast expects {expected:.1f}'
    as_many, as_few = sum(of_each[hits:]), sum(of_each[: hits + 1])
    if hits > expected and as_many < _SELDOM:
        return f'{seen}: luck alone makes so many {_once_in(as_many)}. This pilot is better than the forecast knew.'
    if hits < expected and as_few < _SELDOM:
        return f'{seen}: bad luck alone makes so few {_once_in(as_few)}. Look for what has changed.'
    return f'{seen}: what luck makes of it. It tells nothing new of the skill.'


def mean_parts_ft(diagnoses: Sequence[Diagnosis]) -> dict[Cause, float]:
    """Mean feet of each cause over the laps where it could be told."""
    feet: dict[Cause, list[float]] = {}
    for diagnosis in diagnoses:
        for part in diagnosis.parts:
            if part.feet is not None:
                feet.setdefault(part.cause, []).append(part.feet)
    return {cause: statistics.fmean(values) for cause, values in feet.items()}


def _one_change(
    diagnoses: Sequence[Diagnosis],
    *,
    mean_ft: float | None,
    spread_ft: float | None,
    measured: int,
    next_aim_ft: float | None,
    next_spot_ft: float | None,
) -> str:
    if mean_ft is None or not measured:
        return 'No touchdown marked yet.'
    if measured < _ENOUGH_LAPS or spread_ft is None:
        return f'{measured} of {_ENOUGH_LAPS} laps needed before a habit can be told from chance.'
    steady = abs(mean_ft) > float(stdtrit(measured - 1, 0.975)) * spread_ft / math.sqrt(measured)
    speed_ft = [part.feet for d in diagnoses for part in d.parts if part.cause == 'speed' and part.feet is not None]
    if steady:
        parts = mean_parts_ft(diagnoses)
        if abs(parts.get('speed', 0.0)) > abs(mean_ft) / 2 and parts['speed'] * mean_ft > 0:
            return (
                f'Steadily {abs(round(mean_ft, -1)):,.0f} ft {"long" if mean_ft > 0 else "short"}, most of it speed: '
                'fly the briefed speed before moving the aim point.'
            )
        steadily = f'Steadily {abs(round(mean_ft, -1)):,.0f} ft {"long" if mean_ft > 0 else "short"}'
        if next_aim_ft is not None and next_aim_ft < 0:
            return f'{steadily}: the aim point would now lie before the threshold. Choose a spot farther in.'
        if next_aim_ft is not None:
            where = f' for the spot at {round(next_spot_ft, -1):,.0f} ft' if next_spot_ft is not None else ''
            return f'{steadily}: aim at {round(next_aim_ft, -1):,.0f} ft{where} on the next lap.'
        return (
            f'{steadily}: move the aim point {abs(round(mean_ft, -1)):,.0f} ft '
            f'{"back" if mean_ft > 0 else "on"} ({in_stripes(mean_ft)}).'
        )
    if spread_ft > _TIGHT_FT and len(speed_ft) >= _ENOUGH_LAPS and statistics.stdev(speed_ft) > spread_ft / 2:
        return f'Scattered by {spread_ft:,.0f} ft, most of it speed: hold the speed, leave the aim point.'
    if spread_ft > 150:
        return f'Scattered by {spread_ft:,.0f} ft: the same speed and the same roundout every lap, then judge the aim.'
    return f'No steady error: mean {mean_ft:+,.0f} ft, spread {spread_ft:,.0f} ft. Leave the aim point where it is.'
