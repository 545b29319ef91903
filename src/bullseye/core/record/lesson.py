"""What to fly next: a warm-up, what is weakest or stalest, and one new thing at most, each with its reason."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from typing import Literal

from bullseye.core.basis.sentence import Phrasebook, Sentence, count, joined, share
from bullseye.core.basis.unknown import known_or
from bullseye.core.explain.faults import Fault
from bullseye.core.record.readiness import LIKELY, Readiness
from bullseye.core.record.syllabus import HELD, Exercise, ExerciseState, may_begin

Part = Literal['warm_up', 'main', 'new', 'refresh']
_MOST = 4  # [own] things in one lesson
_BOOK = Phrasebook('lesson')


@dataclass(frozen=True, slots=True, kw_only=True)
class Standing:
    """Where a student stands in one exercise, with what laps show of it."""

    exercise: Exercise
    state: ExerciseState
    readiness: Readiness | None  # of the landing, or of the task of the lap
    latest_on: date | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Item:
    """One thing to fly, and why."""

    code: str
    name: str
    part: Part
    why: Sentence


@dataclass(frozen=True, slots=True, kw_only=True)
class NextLesson:
    """What to fly next; ``main`` is the code whose landing the sortie is made for, None without one."""

    items: tuple[Item, ...]
    main: str | None
    left_out: tuple[Sentence, ...]


def next_lesson(
    standings: Sequence[Standing],
    *,
    today: date,
    not_today: Mapping[str, Sentence] | None = None,
    steady_fault: Fault | None = None,
    most_items: int | None = None,
) -> NextLesson:
    """Propose the next lesson.

    :param standings: of all exercises in teaching order
    :param not_today: exercises that aircraft, wind, limits or field do not allow, each with the reason
    :param steady_fault: that the latest landings were marked with again and again: nothing harder before it
    :param most_items: that the booked time has room for; None where nothing is booked

    The weakest of what was begun comes first: what is far from the standard gains most. What is stale follows, and one
    new exercise whose needs have been practised. One item is flown to warm up, if anything is held [com].
    """
    states = {one.exercise.code: one.state for one in standings}
    names = {one.exercise.code: one.exercise.name for one in standings}
    refused = not_today or {}
    fit = [one for one in standings if one.exercise.code not in refused]
    weak = sorted((one for one in fit if _is_weak(one)), key=_weakness)
    stale = sorted((one for one in fit if one.state == 'stale'), key=lambda one: known_or(one.latest_on, date.min))
    new = [one for one in fit if one.state == 'not_begun' and not may_begin(one.exercise, states)]
    items = [
        *(Item(code=one.exercise.code, name=one.exercise.name, part='main', why=_why_weak(one)) for one in weak[:2]),
        *(
            Item(code=one.exercise.code, name=one.exercise.name, part='refresh', why=_why_stale(one, today))
            for one in stale[:1]
        ),
    ]
    # a new thing only where what was begun is not far off: two hard things in one lesson teach neither
    settled = all(one.state != 'introduced' for one in weak) and len(weak) <= 2
    if steady_fault is not None:
        items = [*_against(steady_fault, fit), *(one for one in items if one.code not in steady_fault.practise)]
    elif new and (settled or not items):
        items.append(Item(code=new[0].exercise.code, name=new[0].exercise.name, part='new', why=_BOOK.say('new')))
    held = [one for one in fit if one.state in HELD and one.exercise.landing is not None]
    if held and items:
        first = held[0]
        items.insert(
            0, Item(code=first.exercise.code, name=first.exercise.name, part='warm_up', why=_BOOK.say('warm_up'))
        )
    landings = {one.exercise.code for one in standings if one.exercise.landing is not None}
    main = next((one.code for one in items if one.code in landings and one.part != 'warm_up'), None)
    main = main or next((one.code for one in items if one.code in landings), None)
    most = _MOST if most_items is None else min(_MOST, most_items)
    return NextLesson(items=_that_fit(items, most), main=main, left_out=_left_out(standings, refused, names, states))


def _against(fault: Fault, fit: Sequence[Standing]) -> list[Item]:
    """What is practised against a fault, the first of it that may be flown."""
    names = {one.exercise.code: one.exercise.name for one in fit}
    code = next((code for code in fault.practise if code in names), None)
    if code is None:
        return []
    why = _BOOK.say('fault', fault=fault.name, how=fault.practise_words)
    return [Item(code=code, name=names[code], part='main', why=why)]


def _that_fit(items: Sequence[Item], most: int) -> tuple[Item, ...]:
    """What the time has room for: the warm-up goes first of all, before anything that is to be learned."""
    kept = [one for one in items if one.part != 'warm_up'] if len(items) > most else list(items)
    return tuple(kept[:most])


def _left_out(
    standings: Sequence[Standing],
    refused: Mapping[str, Sentence],
    names: Mapping[str, str],
    states: Mapping[str, ExerciseState],
) -> tuple[Sentence, ...]:
    """What would have been proposed, and why it is not flown this time; of the rest nothing is said."""
    wanted, is_next = [], True
    for one in standings:
        code = one.exercise.code
        may_be_new = one.state == 'not_begun' and not may_begin(one.exercise, states)
        if code in refused and (_is_weak(one) or one.state == 'stale' or (may_be_new and is_next)):
            wanted.append(code)
        is_next = is_next and not may_be_new  # of new things only the next one would have been proposed
    return tuple(joined(_BOOK.say('limit', words=f'{names[code]}:'), refused[code]) for code in wanted)


def _is_weak(one: Standing) -> bool:
    """Whether it was begun and is not held; what laps cannot judge is practised once it has been flown often."""
    if one.exercise.landing is None:
        return one.state == 'introduced'
    return one.state in ('introduced', 'practised', 'likely')


def _weakness(one: Standing) -> tuple[float, int]:
    """Smallest first: far from the standard before near to it, what laps do not show in between."""
    chance = one.readiness.chance if one.readiness is not None else None
    return (LIKELY if chance is None else chance, 0 if one.state == 'introduced' else 1)


def _why_weak(one: Standing) -> Sentence:
    known = one.readiness
    if known is None or known.chance is None:
        return _BOOK.say('practise')
    if known.weakest is None:
        return _BOOK.say('weak', words=known.words)
    return _BOOK.say('weak_by', words=known.words, criterion=_BOOK.say(known.weakest))


def _why_stale(one: Standing, today: date) -> Sentence:
    if one.latest_on is None or (today - one.latest_on).days < 8:  # it is not the time, then
        return _BOOK.say('unused')
    return _BOOK.say('stale', days=count((today - one.latest_on).days))


@dataclass(frozen=True, slots=True, kw_only=True)
class Head:
    """Three sentences of a student: what holds, what does not, what comes next."""

    holds: Sentence
    holds_not: Sentence
    next: Sentence


_HEAD = Phrasebook('head')


def _with_what_is_not_known(one: Standing) -> str:
    """The name of an exercise; what was not measured of it is never passed over."""
    if one.state != 'at_standard' or one.readiness is None or not one.readiness.not_judged:
        return one.exercise.name
    return f'{one.exercise.name} ({" and ".join(one.readiness.not_judged)} not known)'


def head_of(standings: Sequence[Standing], lesson: NextLesson) -> Head:
    """What an instructor has to know before the lesson, in three sentences."""
    held = [_with_what_is_not_known(one) for one in standings if one.state in HELD]
    weak = sorted((one for one in standings if _is_weak(one)), key=_weakness)
    stale = [one for one in standings if one.state == 'stale']
    if weak and weak[0].readiness is not None and weak[0].readiness.chance is not None:
        not_held = _HEAD.say('weak', name=weak[0].exercise.name, chance=share(weak[0].readiness.chance))
    elif stale:
        not_held = _HEAD.say('stale', name=stale[0].exercise.name)
    elif weak:
        not_held = _HEAD.say('weak_unknown', name=weak[0].exercise.name)
    else:
        not_held = _HEAD.say('weak_none')
    names = [one.name for one in lesson.items if one.part != 'warm_up']
    return Head(
        holds=_HEAD.say('holds', names=', '.join(held[-4:])) if held else _HEAD.say('holds_none'),
        holds_not=not_held,
        next=_HEAD.say('next', names=', '.join(names)) if names else _HEAD.say('next_none'),
    )
