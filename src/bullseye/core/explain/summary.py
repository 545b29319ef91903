"""A sortie's landings together: where they lie, how far they spread, and the one change that follows."""

from __future__ import annotations

import math
import statistics
from collections.abc import Sequence
from dataclasses import dataclass

from scipy.special import stdtrit

from bullseye.core.basis.sentence import Phrasebook, Quantity, Sentence, count, feet
from bullseye.core.explain.diagnosis import Cause, Diagnosis
from bullseye.core.explain.scoring import Score
from bullseye.core.given.airfield import in_stripes

_SELDOM = 0.1  # [own] of lessons, in which luck alone makes as many or as few hits
_ENOUGH_LAPS = 3  # [own] fewer cannot tell a habit from chance
_TIGHT_FT = 75.0  # [own] a spread that needs no remedy
_WIDE_FT = 150.0  # [own] a spread that comes before any aim
_OFTEN = 2  # [own] laps with the same mark, from which it is the lesson
_NOTHING_FT = 5.0  # [own] of a mean, which is none
_SEEN = 'In the box {times} in {landings} landings, where the forecast expects {expected}'
_BOOK = Phrasebook('summary')


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
    luck_words: Sentence | None  # None of too few landings
    one_change: Sentence


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
    dropped = sum(diagnosis.is_dropped for _, diagnosis, _ in laps)
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
            dropped=dropped,
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


def _once_in(chance: float) -> Sentence:
    lessons = 1 / max(chance, 1e-9)
    return _BOOK.say('once_in', lessons=count(lessons)) if lessons < 100 else _BOOK.say('once_in_hundreds')


def _luck_words(chances: Sequence[float], hits: int) -> Sentence | None:
    """Luck from skill: how often the forecast makes as many hits as were seen; None of too few landings."""
    if len(chances) < _ENOUGH_LAPS:
        return None
    of_each = hits_distribution(chances)
    expected = sum(chances)
    times: dict[int, Sentence] = {0: _BOOK.say('never'), 1: _BOOK.say('once'), 2: _BOOK.say('twice')}
    seen: dict[str, Quantity | Sentence] = {
        'times': times.get(hits) or _BOOK.say('times', number=count(hits)),
        'landings': count(len(chances)),
        'expected': count(expected, step=0.1),
    }
    as_many, as_few = sum(of_each[hits:]), sum(of_each[: hits + 1])
    if hits > expected and as_many < _SELDOM:
        return _BOOK.say('better', **seen, seldom=_once_in(as_many))
    if hits < expected and as_few < _SELDOM:
        return _BOOK.say('worse', **seen, seldom=_once_in(as_few))
    return _BOOK.say('luck', **seen)


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
    dropped: int = 0,
) -> Sentence:
    if mean_ft is None or not measured:
        return _BOOK.say('not_marked')
    if dropped >= _OFTEN and 2 * dropped >= measured and mean_ft < 0:
        return _BOOK.say('dropped_in', dropped=count(dropped), landings=count(measured))
    if measured < _ENOUGH_LAPS or spread_ft is None:
        return _BOOK.say('too_few', laps=count(measured), enough=count(_ENOUGH_LAPS))
    if abs(mean_ft) > float(stdtrit(measured - 1, 0.975)) * spread_ft / math.sqrt(measured):
        return _steady_change(diagnoses, mean_ft, next_aim_ft=next_aim_ft, next_spot_ft=next_spot_ft)
    spread = feet(spread_ft, step=10.0)
    speed_ft = [part.feet for d in diagnoses for part in d.parts if part.cause == 'speed' and part.feet is not None]
    if spread_ft > _TIGHT_FT and len(speed_ft) >= _ENOUGH_LAPS and statistics.stdev(speed_ft) > spread_ft / 2:
        return _BOOK.say('scattered_speed', spread=spread)
    if spread_ft > _WIDE_FT:
        return _BOOK.say('scattered', spread=spread)
    if abs(mean_ft) < _NOTHING_FT:
        return _BOOK.say('no_error', spread=spread)
    return _BOOK.say(
        'no_error_long' if mean_ft > 0 else 'no_error_short', mean=feet(abs(mean_ft), step=10.0), spread=spread
    )


def _steady_change(
    diagnoses: Sequence[Diagnosis], mean_ft: float, *, next_aim_ft: float | None, next_spot_ft: float | None
) -> Sentence:
    """What to do about a steady error."""
    origin = diagnoses[-1].counted_from
    side = 'steadily_long' if mean_ft > 0 else 'steadily_short'
    steadily = _BOOK.say(side, error=feet(abs(mean_ft), step=10.0), origin=origin)
    parts = mean_parts_ft(diagnoses)
    if abs(parts.get('speed', 0.0)) > abs(mean_ft) / 2 and parts['speed'] * mean_ft > 0:
        return _BOOK.say('steady_speed', steadily=steadily)
    if next_aim_ft is None:
        stripes, shift = in_stripes(mean_ft), feet(abs(mean_ft), step=10.0)
        return _BOOK.say('aim_back' if mean_ft > 0 else 'aim_on', steadily=steadily, shift=shift, stripes=stripes)
    if next_aim_ft < 0:
        return _BOOK.say('aim_too_near', steadily=steadily)
    aim = feet(next_aim_ft, step=10.0)
    if next_spot_ft is None:
        return _BOOK.say('next_aim', steadily=steadily, aim=aim)
    return _BOOK.say('next_aim_for', steadily=steadily, aim=aim, spot=feet(next_spot_ft, step=10.0))


def without_remedy(said: Sentence) -> Sentence:
    """A steady error by itself, where the aim that follows puts it right; anything else as it is."""
    values = dict(said.values)
    steadily = values.get('steadily')
    if said.name == 'steady_speed' or not isinstance(steadily, Sentence):
        return said
    return _BOOK.say('steady', steadily=steadily)
