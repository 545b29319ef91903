"""Takeoffs, pattern, final and decisions over months: how often each was within the limits, and what lets it down."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from bullseye.core.basis.kinds import TakeoffKind
from bullseye.core.basis.sentence import Phrasebook, Sentence, count, share
from bullseye.core.basis.unknown import known_or
from bullseye.core.explain.around import AroundJudged, Point, judge_around
from bullseye.core.explain.aroundmeasures import Task
from bullseye.core.given.standards import Standard
from bullseye.core.measure.around import WorkedOut
from bullseye.core.record.evidence import Flown
from bullseye.core.record.readiness import LEAST_JUDGED, Readiness, Spread, readiness_by_count, spread_of

_LATEST = 12  # [own] laps on the row of signs
_BOOK = Phrasebook('task')


@dataclass(frozen=True, slots=True, kw_only=True)
class Figure:
    """One thing of a task over the laps: mean apart from scatter, against its limit."""

    label: Sentence
    unit: str
    limit: Sentence | None  # None: the standard's is not known
    is_own: bool  # the limit is ours and of no standard
    judged: int
    failed: int
    spread: Spread


@dataclass(frozen=True, slots=True, kw_only=True)
class TaskProgress:
    """A task of the rest of the lap. ``latest`` are the latest laps: within limits, not, or None where unknown."""

    task: Task
    takeoff: TakeoffKind | None
    laps: int
    last_on: date
    readiness: Readiness
    latest: tuple[bool | None, ...]
    figures: tuple[Figure, ...]


def task_progress(flown: Sequence[Flown], *, standard: Standard, needed: float) -> tuple[TaskProgress, ...]:
    """What the laps of a student show of takeoff (each kind by itself), pattern, final and decision.

    :param flown: of all kinds of landing, oldest first
    :param needed: the chance of one lap that the school asks for
    """
    judged = [
        (
            one,
            judge_around(
                one.around,
                one.worked_out or WorkedOut(),
                standard=standard,
                landing=one.landing,
                outcome=one.outcome,
                marks=one.marks,
                slight=one.slight,
                went_around=one.went_around,
                beyond=one.beyond,
            ),
        )
        for one in flown
    ]
    found = []
    kinds: list[TakeoffKind] = sorted({one.takeoff for one in flown if one.takeoff is not None})
    for kind in kinds:
        of_kind = [(one, rest) for one, rest in judged if one.takeoff == kind]
        found.append(_progress('takeoff', kind, of_kind, standard, needed))
    for task in ('pattern', 'final', 'decision'):
        if judged:
            found.append(_progress(task, None, judged, standard, needed))
    return tuple(one for one in found if one.laps)


def _met(rest: AroundJudged, task: Task) -> bool | None:
    """Whether a task was within limits: all that was judged of it; what is near may be either."""
    verdicts = {one.verdict for one in rest.judged if one.task == task} - {'unknown'}
    if 'fail' in verdicts:
        return False
    return True if verdicts == {'pass'} else None


def _progress(
    task: Task,
    takeoff: TakeoffKind | None,
    judged: Sequence[tuple[Flown, AroundJudged]],
    standard: Standard,
    needed: float,
) -> TaskProgress:
    met = [_met(rest, task) for _, rest in judged]
    went_around = any(one.outcome == 'go_around' for one, _ in judged)
    figures = _figures(task, [rest for _, rest in judged])
    return TaskProgress(
        task=task,
        takeoff=takeoff,
        laps=len(judged),
        last_on=judged[-1][0].flown_at.date(),
        readiness=_readiness(task, [one for one in met if one is not None], needed, figures, went_around),
        latest=tuple(met[-_LATEST:]),
        figures=figures,
    )


def _figures(task: Task, laps: Sequence[AroundJudged]) -> tuple[Figure, ...]:
    by_name: dict[str, list[Point]] = {}
    for rest in laps:
        for point in rest.judged:
            if point.task == task and point.name != 'decision':
                by_name.setdefault(point.name, []).append(point)
    return tuple(
        Figure(
            label=points[-1].label,
            unit=points[-1].unit,
            limit=points[-1].limit,
            is_own=points[-1].is_own,
            judged=sum(one.verdict != 'unknown' for one in points),
            failed=sum(one.verdict == 'fail' for one in points),
            spread=spread_of([one.value for one in points if one.value is not None]),
        )
        for points in by_name.values()
    )


def _readiness(
    task: Task, met: Sequence[bool], needed: float, figures: Sequence[Figure], went_around: bool
) -> Readiness:
    open_cells = [str(one.label) for one in figures if one.limit is None]
    not_known = (_BOOK.say('not_judged', names=', '.join(open_cells)),) if open_cells else ()
    if task == 'decision' and not went_around and False not in met:
        return readiness_by_count((), needed=needed, words=_BOOK.say('never_around'), not_known=not_known)
    if len(met) < LEAST_JUDGED:
        words = _BOOK.say('too_few', judged=count(len(met)), least=count(LEAST_JUDGED)) if met else _BOOK.say('none')
        return readiness_by_count(met, needed=needed, words=words, not_known=not_known)
    found = readiness_by_count(met, needed=needed, words=_BOOK.say('none'), not_known=not_known)
    return readiness_by_count(met, needed=needed, words=_words(found, needed), not_known=not_known)


def drill_readiness(met: Sequence[bool], *, needed: float) -> Readiness:
    """Whether drills without a landing were flown as they should be, oldest first."""
    return _readiness('pattern', met, needed, (), went_around=True)


def _words(found: Readiness, needed: float) -> Sentence:
    if found.state in ('at_standard', 'likely'):
        return _BOOK.say(found.state, sure=share(known_or(found.sure, 0.0)), needed=share(needed))
    return _BOOK.say('not_yet', chance=share(known_or(found.chance, 0.0)), needed=share(needed))
