"""A student's sorties one after the other: what each ended with, and whether it was followed on the next."""

from __future__ import annotations

import statistics
from collections.abc import Sequence
from typing import Any

from sqlalchemy import and_, or_, select
from sqlalchemy.orm import Session, joinedload

from bullseye.core.basis.kinds import NOT_LANDED
from bullseye.core.basis.sentence import Sentence
from bullseye.core.explain.summary import summarise
from bullseye.store.flying import laps
from bullseye.store.flying.judging import LapResult
from bullseye.store.rows.flying import Lap, Sortie
from bullseye.store.rows.people import User

_PAGE = 6  # [own] each is judged lap by lap
_FOLLOWED = 1 / 3  # [own] of what was advised, from which it counts as followed


def of_student(db: Session, student: User, *, before: int | None) -> tuple[list[dict[str, Any]], int | None]:
    """A page of a student's flown sorties, latest first, and the number that asks for the next page.

    One more is read than is told: whether advice was followed shows in the sortie after it.
    """
    there = select(Lap.id).where(
        Lap.school_id == Sortie.school_id, Lap.sortie_id == Sortie.id, Lap.removed_at.is_(None)
    )
    query = (
        select(Sortie)
        .options(joinedload(Sortie.instructor))
        .where(
            Sortie.school_id == student.school_id,
            Sortie.student_id == student.id,
            Sortie.removed_at.is_(None),
            there.exists(),
        )
    )
    at = db.get(Sortie, before) if before is not None and before < 2**31 else None
    if at is not None:
        earlier = and_(Sortie.planned_on == at.planned_on, Sortie.id < at.id)
        query = query.where(or_(Sortie.planned_on < at.planned_on, earlier))
    found = list(db.scalars(query.order_by(Sortie.planned_on.desc(), Sortie.id.desc()).limit(_PAGE + 1)))
    page, more = found[:_PAGE], len(found) > _PAGE
    after = _results(db, at) if at is not None else None
    lines = []
    for sortie in page:
        results = _results(db, sortie)
        lines.append(_line(sortie, results, after))
        after = results
    return lines, page[-1].id if more else None


def _results(db: Session, sortie: Sortie) -> list[LapResult]:
    return [one for one in laps.results(db, sortie)[0] if not one.lap.excluded]


def _line(sortie: Sortie, results: Sequence[LapResult], after: Sequence[LapResult] | None) -> dict[str, Any]:
    summary = summarise([(one.score, one.diagnosis, one.lap.outcome in NOT_LANDED) for one in results])
    change = summary.one_change if summary.measured >= 3 else None
    return {
        'sortie_id': sortie.id,
        'planned_on': sortie.planned_on,
        'instructor_name': sortie.instructor.name,
        'landing': sortie.landing,
        'one_change': change,
        'followed': None if change is None or after is None else _followed(change, results, after),
        'notes': [one.lap.note for one in results if one.lap.note],
        **{
            name: getattr(summary, name)
            for name in ('laps', 'landings', 'measured', 'hits', 'go_arounds', 'mean_error_ft', 'spread_ft')
        },
    }


def _followed(change: Sentence, results: Sequence[LapResult], after: Sequence[LapResult]) -> bool | None:
    """Whether the next sortie did what was advised: moved the aim, or mended the speed. None where neither shows."""
    kind = results[0].lap.landing
    then = [one for one in after if one.lap.landing == kind]
    if not then:
        return None
    if 'speed' in change.name:
        before, now = _mean_off_kt(results), _mean_off_kt(then)
        return None if before is None or now is None else abs(now) <= (1 - _FOLLOWED) * abs(before)
    if change.name in ('aim_back', 'aim_on'):
        errors = [one.diagnosis.error_ft for one in results if one.diagnosis.error_ft is not None]
        aims = [_mean_aim_ft(rows) for rows in (results, then)]
        advised = statistics.fmean(errors)
        return (aims[1] - aims[0]) / advised >= _FOLLOWED if advised else None
    return None


def _mean_aim_ft(results: Sequence[LapResult]) -> float:
    return statistics.fmean(one.lap.spot_ft - one.brief.aim.aim_point_ft for one in results)


def _mean_off_kt(results: Sequence[LapResult]) -> float | None:
    off = [
        one.lap.threshold_speed_kias - one.brief.speed.recommended_speed_kias
        for one in results
        if one.lap.threshold_speed_kias is not None
    ]
    return statistics.fmean(off) if off else None
