"""One sortie as an examiner would go through it: the tasks of a standard, each by what was measured.

The first lap of each landing counts, as it does in a test; later ones are told beside it. A limit of takeoff or
pattern is broken when it was exceeded again and again, or on the only lap. What was not measured is not judged.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from bullseye.core.basis.kinds import LandingKind
from bullseye.core.basis.sentence import Phrasebook, Sentence, count, feet, knots
from bullseye.core.explain.around import AroundJudged, Point, judge_around
from bullseye.core.explain.aroundmeasures import Task
from bullseye.core.given.standards import SpeedLimits, Standard, Tolerance
from bullseye.core.measure.around import WorkedOut
from bullseye.core.record.evidence import Flown

Found = Literal['within', 'outside', 'unknown', 'not_flown']
_LANDINGS: tuple[LandingKind, ...] = (
    *('normal', 'crosswind', 'short_field', 'soft_field', 'power_off'),
    *('no_flap', 'forward_slip', 'three_point', 'wheel_landing'),
)
# Landings that an examiner asks for; others are told where they were flown [com]
_ASKED: tuple[LandingKind, ...] = ('normal', 'short_field', 'soft_field', 'power_off')
_NAMES: dict[LandingKind, str] = {
    'normal': 'Normal landing',
    'crosswind': 'Crosswind landing',
    'short_field': 'Short-field landing',
    'soft_field': 'Soft-field landing',
    'power_off': 'Power-off 180',
    'no_flap': 'Landing without flap',
    'forward_slip': 'Slip to landing',
    'three_point': 'Three-point landing',
    'wheel_landing': 'Wheel landing',
}
_BOOK = Phrasebook('examined')


@dataclass(frozen=True, slots=True, kw_only=True)
class Item:
    """One task of the test."""

    code: str
    name: str
    found: Found
    words: tuple[Sentence, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Examined:
    """A sortie by one standard, task by task."""

    items: tuple[Item, ...]
    words: tuple[Sentence, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class NumberedLap:
    """A lap with its number in the sortie."""

    number: int
    flown: Flown


def examine(laps: Sequence[NumberedLap], standard: Standard) -> Examined:
    """Go through a sortie by a standard.

    :param laps: of one sortie in the order flown
    """
    if not laps:
        return Examined(items=(), words=(_BOOK.say('nothing'),))
    rest = [
        (
            one.number,
            judge_around(
                one.flown.around,
                one.flown.worked_out or WorkedOut(),
                standard=standard,
                landing=one.flown.landing,
                outcome=one.flown.outcome,
                marks=one.flown.marks,
                slight=one.flown.slight,
                went_around=one.flown.went_around,
                beyond=one.flown.beyond,
            ),
        )
        for one in laps
    ]
    flown_kinds = {one.flown.landing for one in laps if one.flown.is_landing}
    landings = [kind for kind in _LANDINGS if standard.examines(kind) and (kind in flown_kinds or kind in _ASKED)]
    items = (
        _whole_task('takeoff', 'Takeoff and climb', rest, standard.climb),
        _whole_task('pattern', 'Traffic pattern', rest, standard.pattern),
        *(_landing(kind, laps, standard.tolerance(kind)) for kind in landings),
        _decisions(laps, rest),
    )
    return Examined(items=items, words=_together(items))


def _together(items: Sequence[Item]) -> tuple[Sentence, ...]:
    below = [one.name for one in items if one.found == 'outside']
    undecided = [one.name for one in items if one.found in ('unknown', 'not_flown')]
    said = [_BOOK.say('below', names=', '.join(below)) if below else _BOOK.say('all_within')]
    if not below and not any(one.found == 'within' for one in items):
        said = []
    if undecided:
        said.append(_BOOK.say('open', names=', '.join(undecided)))
    return (*said, _BOOK.say('examiner'))


def _landing(kind: LandingKind, laps: Sequence[NumberedLap], tolerance: Tolerance) -> Item:
    of_kind = [one for one in laps if one.flown.landing == kind and one.flown.is_landing]
    if not of_kind:
        return Item(code=kind, name=_NAMES[kind], found='not_flown', words=(_BOOK.say('not_flown'),))
    first, later = of_kind[0], of_kind[1:]
    outside, missing = _reasons(first.flown, tolerance)
    found: Found = 'outside' if outside else 'unknown' if missing else 'within'
    what = outside or missing or [_BOOK.say('within')]
    words = [_BOOK.say('lap', number=count(first.number), what=_listed(what))]
    if outside and missing:
        words.append(_BOOK.say('lap', number=count(first.number), what=_listed(missing)))
    if len(later) == 1:
        again = _all_of(later[0].flown, tolerance)
        name = 'again_unknown' if again is None else 'again_within' if again else 'again_outside'
        words.append(_BOOK.say('later_once', within=_BOOK.say(name)))
    elif later:
        within = sum(_all_of(one.flown, tolerance) is True for one in later)
        words.append(_BOOK.say('later', number=count(len(later)), within=count(within)))
    return Item(code=kind, name=_NAMES[kind], found=found, words=tuple(words))


def _listed(parts: Sequence[Sentence]) -> str:
    return '; '.join(str(one) for one in parts)


def _all_of(flown: Flown, tolerance: Tolerance) -> bool | None:
    outside, missing = _reasons(flown, tolerance)
    return False if outside else None if missing else True


def _reasons(flown: Flown, tolerance: Tolerance) -> tuple[list[Sentence], list[Sentence]]:
    """What lies outside of the standard, and what could not be judged."""
    outside, missing = [], []
    window_ft, at_ft = flown.window_ft(tolerance), flown.from_spot_ft
    if window_ft is None:
        missing.append(_BOOK.say('no_window'))
    elif at_ft is None:
        missing.append(_BOOK.say('unseen'))
    elif at_ft < window_ft[0]:
        outside.append(_BOOK.say('short', off=feet(max(1.0, window_ft[0] - at_ft))))
    elif at_ft > window_ft[1]:
        outside.append(_BOOK.say('long', off=feet(max(1.0, at_ft - window_ft[1]))))
    off_kt, above_kt, below_kt = flown.speed_off_kt, tolerance.speed_above_kt, tolerance.speed_below_kt
    if off_kt is None:
        missing.append(_BOOK.say('no_speed'))
    elif above_kt is not None and off_kt > above_kt:
        outside.append(_BOOK.say('fast', off=knots(max(1.0, off_kt - above_kt))))
    elif below_kt is not None and off_kt < -below_kt:
        outside.append(_BOOK.say('slow', off=knots(max(1.0, -off_kt - below_kt))))
    elif (above_kt if off_kt > 0 else below_kt) is None:
        missing.append(_BOOK.say('no_speed_limit'))
    if flown.drift is None:
        missing.append(_BOOK.say('no_drift'))
    elif flown.drift != 'none':
        outside.append(_BOOK.say('drift'))
    return outside, missing


def _whole_task(task: Task, name: str, rest: Sequence[tuple[int, AroundJudged]], limits: SpeedLimits | None) -> Item:
    """Takeoff or pattern over all laps, by the standard's own limits and by what was marked."""
    by_name: dict[str, list[Point]] = {}
    for _, judged in rest:
        for point in judged.judged:
            if point.task == task and (not point.is_own or point.is_marked):
                by_name.setdefault(point.name, []).append(point)
    if limits is None:
        return Item(code=task, name=name, found='unknown', words=(_BOOK.say('open_cells'),))
    words, found = [], 'unknown'
    for points in by_name.values():
        known = [one for one in points if one.verdict != 'unknown']
        failed = [one for one in known if one.verdict == 'fail']
        if known and found == 'unknown' and not failed:
            found = 'within'
        if not failed:
            continue
        label, laps = failed[0].label, count(len(rest))
        if failed[0].is_marked or failed[0].limit is None:
            words.append(_BOOK.say('marked', label=label, failed=count(len(failed)), laps=laps))
        elif len(failed) == 1 and len(known) > 1:
            words.append(_BOOK.say('points_once', label=label, limit=failed[0].limit, laps=laps))
            found = 'within' if found == 'unknown' else found
            continue
        else:
            words.append(_BOOK.say('points', label=label, limit=failed[0].limit, failed=count(len(failed)), laps=laps))
        found = 'outside'
    if not by_name:
        words.append(_BOOK.say('unmeasured'))
    elif found == 'unknown':
        words.append(_BOOK.say('open_cells'))
    return Item(code=task, name=name, found=found, words=tuple(words))  # type: ignore[arg-type]


def _decisions(laps: Sequence[NumberedLap], rest: Sequence[tuple[int, AroundJudged]]) -> Item:
    """Going around: flown once, and never missed where the final asked for it."""
    around = sum(one.flown.outcome == 'go_around' for one in laps)
    broken = [number for number, judged in rest if judged.decision == 'fail']
    landed = [judged for (_, judged), one in zip(rest, laps, strict=True) if one.flown.is_landing]
    unknown = sum(judged.decision == 'unknown' for judged in landed)
    words = []
    if broken:
        name = 'landed_unstable' if len(broken) == 1 else 'landed_unstable_all'
        words.append(_BOOK.say(name, numbers=', '.join(map(str, broken))))
    if around:
        words.append(_BOOK.say('around_flown', number=count(around), laps=count(len(laps))))
    else:
        words.append(_BOOK.say('around_not_flown'))
    if unknown:
        words.append(_BOOK.say('stable_unknown', number=count(unknown), laps=count(len(landed))))
    found: Found = 'outside' if broken else 'not_flown' if not around else 'unknown' if unknown else 'within'
    return Item(code='decision', name='Go-around and decisions', found=found, words=tuple(words))
