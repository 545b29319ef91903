"""One kind of landing over months: mean apart from scatter, habits, and whether a change of the aim helped."""

from __future__ import annotations

import math
import statistics
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from datetime import date
from typing import Literal

from scipy.special import stdtrit

from bullseye.core.basis.kinds import LandingKind
from bullseye.core.basis.sentence import Phrasebook, Quantity, Sentence, count, feet, joined, knots
from bullseye.core.basis.unknown import known_or
from bullseye.core.given.standards import Tolerance
from bullseye.core.record.evidence import Flown
from bullseye.core.record.readiness import Readiness, Spread, readiness, spread_of

_MOVED_FT = 75.0  # [own] by which an aim point is said to have been changed
_MOVED_KT = 3.0  # [own] by which a briefed speed is
_LEAST = 3  # [own] landings on either side, to say whether it helped
_BOOK = Phrasebook('progress')


@dataclass(frozen=True, slots=True, kw_only=True)
class Mark:
    """One landing on the small strip: where from the spot, whether it met the standard, and when."""

    on: date
    sortie_id: int
    from_spot_ft: float | None
    meets: bool | None
    went_around: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class KindProgress:
    """What the laps of one kind show by one standard. Places in feet from the spot; None where too few are known."""

    landing: LandingKind
    laps: int
    landings: int
    go_arounds: int
    last_on: date
    window_from_ft: float | None  # where the latest was flown; None: not known
    window_to_ft: float | None
    readiness: Readiness
    latest: tuple[Mark, ...]
    touchdown: Spread
    speed: Spread
    float_over_s: Spread
    drifted: int
    drift_seen: int
    hits: int
    change: Sentence | None
    words: tuple[Sentence, ...]


_ON_THE_STRIP = 12  # [own] latest landings that are drawn


def progress_of(flown: Sequence[Flown], *, tolerance: Tolerance, needed: float) -> KindProgress:
    """Where a student stands in one kind of landing.

    :param flown: of that kind, oldest first, at least one
    """
    landings = [one for one in flown if one.is_landing]
    places = [one.from_spot_ft for one in landings if one.from_spot_ft is not None]
    speeds = [one.speed_off_kt for one in landings if one.speed_off_kt is not None]
    floats = [one.float_over_s for one in landings if one.float_over_s is not None]
    drifts = [one.drift for one in landings if one.drift is not None]
    speed = spread_of(speeds)
    window_ft = flown[-1].window_ft(tolerance)
    return KindProgress(
        landing=flown[0].landing,
        laps=len(flown),
        landings=len(landings),
        go_arounds=sum(one.outcome == 'go_around' for one in flown),
        last_on=flown[-1].flown_at.date(),
        window_from_ft=None if window_ft is None else window_ft[0],
        window_to_ft=None if window_ft is None else window_ft[1],
        readiness=readiness(flown, tolerance=tolerance, needed=needed),
        latest=tuple(
            Mark(
                on=one.flown_at.date(),
                sortie_id=one.sortie_id,
                from_spot_ft=one.from_spot_ft,
                meets=one.meets(tolerance) if one.is_landing else None,
                went_around=not one.is_landing,
            )
            for one in flown[-_ON_THE_STRIP:]
        ),
        touchdown=spread_of(places),
        speed=speed,
        float_over_s=spread_of(floats),
        drifted=sum(one != 'none' for one in drifts),
        drift_seen=len(drifts),
        hits=sum(one.is_near(tolerance) is True for one in landings),
        change=None if window_ft is None else _changes(landings, sum(window_ft) / 2),
        words=_habits(speed, spread_of(floats)),
    )


def _habits(speed: Spread, floats: Spread) -> tuple[Sentence, ...]:
    """Habits that so many landings tell from chance."""
    said = []
    if speed.mean is not None and speed.mean_low is not None and speed.mean_high is not None and speed.number >= 5:
        if speed.mean_low > 0:
            said.append(_BOOK.say('fast', over=knots(speed.mean)))
        elif speed.mean_high < 0:
            said.append(_BOOK.say('slow', under=knots(-speed.mean)))
        else:
            said.append(_BOOK.say('on_speed'))
    if floats.mean is not None and floats.mean_low is not None and floats.mean_low > 0.3 and floats.number >= 5:
        said.append(_BOOK.say('floats', seconds=f'{floats.mean:.1f} s'))
    return tuple(said)


def _changes(landings: Sequence[Flown], middle_ft: float) -> Sentence | None:
    """The latest change of the aim point and of the briefed speed, each with whether it helped; None without any."""
    said = [
        _change([one for one in landings if one.aim_before_spot_ft is not None], middle_ft, _aim_of, 'aim'),
        _change([one for one in landings if one.briefed_kias is not None], middle_ft, _speed_of, 'speed'),
    ]
    found = [one for one in said if one is not None]
    return joined(*found) if found else None


def _aim_of(one: Flown) -> float:
    return known_or(one.aim_before_spot_ft, 0.0)


def _speed_of(one: Flown) -> float:
    return known_or(one.briefed_kias, 0.0)


def _change(
    landings: Sequence[Flown], middle_ft: float, value_of: Callable[[Flown], float], what: Literal['aim', 'speed']
) -> Sentence | None:
    """The latest change from one sortie to the next, and whether it helped; None without any.

    Helped is what Welch's t at 95 % says of the mean distance from the middle of the window.
    """
    seen = [one for one in landings if one.from_spot_ft is not None]
    by_sortie: list[list[Flown]] = []
    for one in seen:
        if by_sortie and by_sortie[-1][0].sortie_id == one.sortie_id:
            by_sortie[-1].append(one)
        else:
            by_sortie.append([one])
    values = [statistics.fmean(value_of(one) for one in group) for group in by_sortie]
    least = _MOVED_FT if what == 'aim' else _MOVED_KT
    moved = [k for k in range(1, len(values)) if abs(values[k] - values[k - 1]) >= least]
    if not moved:
        return None
    k = moved[-1]
    before = [known_or(one.from_spot_ft, 0.0) - middle_ft for group in by_sortie[:k] for one in group][-10:]
    after = [known_or(one.from_spot_ft, 0.0) - middle_ft for group in by_sortie[k:] for one in group]
    first, second = statistics.fmean(before), statistics.fmean(after)
    said: dict[str, Quantity | Sentence | str] = {
        'change': _change_words(values[k] - values[k - 1], what, f'{by_sortie[k][0].flown_at:%-d %b}'),
        'before': feet(abs(first), step=10.0),
        'after': feet(abs(second), step=10.0),
        'number': count(len(after)),
    }
    if min(len(before), len(after)) < _LEAST or not _are_apart(before, after):
        return _BOOK.say('unclear', **said)
    return _BOOK.say('helped' if abs(second) < abs(first) else 'hurt', **said)


def _change_words(shift: float, what: Literal['aim', 'speed'], day: str) -> Sentence:
    if what == 'speed':
        return _BOOK.say('faster' if shift > 0 else 'slower', day=day, by=knots(abs(shift)))
    return _BOOK.say('back' if shift > 0 else 'on', day=day, by=feet(abs(shift), step=10.0))


def _are_apart(before: Sequence[float], after: Sequence[float]) -> bool:
    """Whether two means differ by more than chance makes of it [pub: Welch (1947), from memory]."""
    a, b = (statistics.variance(one) / len(one) for one in (before, after))
    if a + b == 0:
        return statistics.fmean(before) != statistics.fmean(after)
    freedom = (a + b) ** 2 / (a**2 / (len(before) - 1) + b**2 / (len(after) - 1))
    off = abs(statistics.fmean(before) - statistics.fmean(after)) / math.sqrt(a + b)
    return off > float(stdtrit(freedom, 0.975))
