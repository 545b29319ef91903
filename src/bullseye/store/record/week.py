"""The week at a glance: who flies when, in what, in which wind, and what they are due for; and who is not booked."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import UTC, date, datetime, timedelta
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bullseye.core.basis.sentence import Sentence
from bullseye.core.record.lesson import NextLesson
from bullseye.store.flying import sortielist
from bullseye.store.flying.sortielist import Wanted
from bullseye.store.people.roles import require_coach
from bullseye.store.record import page
from bullseye.store.rows.flying import Lap
from bullseye.store.rows.people import User

_DAYS = 7
MOST_SORTIES = 150  # [own] on one page; more are told to be left out
_MOST_NAMES = 3  # [own] of what somebody is due for
_MOST_LOOKED_AT, _MOST_NOT_BOOKED, _MOST_DUE = 500, 40, 8  # [own] students without a sortie


@dataclass(frozen=True, slots=True, kw_only=True)
class Booked:
    """One sortie of the week; ``due`` is empty where it was flown or cancelled."""

    row: Any
    due: tuple[str, ...]
    not_possible: tuple[Sentence, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class NotBooked:
    """A student without a sortie that week."""

    id: int
    name: str
    last_flown_on: date | None
    due: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Week:
    """Sorties of seven days, and who has none."""

    booked: tuple[Booked, ...]
    has_more: bool
    not_booked: tuple[NotBooked, ...]
    others_not_booked: int  # who are not listed


def week(db: Session, *, by: User, first_day: date, today: date, mine: bool) -> Week:
    """Seven days of the school, or of one instructor.

    :raises NotAllowed: for a student
    """
    require_coach(by)
    wanted = Wanted(
        first_day=first_day,
        last_day=first_day + timedelta(days=_DAYS - 1),
        instructor_id=by.id if mine else None,
        oldest_first=True,
    )
    found = sortielist.page(db, by, wanted, most=MOST_SORTIES)
    ahead = {row['student_id'] for row in found.rows if _is_ahead(row)}
    lessons = _lessons(db, ahead, today)
    booked = tuple(_booked(row, lessons) for row in found.rows)
    everybody = {row['student_id'] for row in found.rows}
    if mine:  # who flies with somebody else that week is booked too
        others = Wanted(first_day=wanted.first_day, last_day=wanted.last_day, oldest_first=True)
        everybody |= {row['student_id'] for row in sortielist.page(db, by, others, most=MOST_SORTIES).rows}
    not_booked, not_listed = _not_booked(db, by, everybody, today)
    return Week(
        booked=booked,
        has_more=found.after is not None,
        not_booked=not_booked,
        others_not_booked=not_listed,
    )


def _not_booked(db: Session, by: User, booked: set[int], today: date) -> tuple[tuple[NotBooked, ...], int]:
    """Students without a sortie, who has flown longest ago first; and how many more there are.

    What they are due for is worked out for the first few: those are whom to ring up.
    """
    last = (
        select(Lap.flown_at)
        .where(Lap.school_id == User.school_id, Lap.student_id == User.id, Lap.removed_at.is_(None))
        .order_by(Lap.flown_at.desc())
        .limit(1)
        .correlate(User)
        .scalar_subquery()
    )
    query = select(User, last).where(
        User.school_id == by.school_id, User.role == 'student', User.is_active, User.id.not_in(booked)
    )
    rows = db.execute(query.limit(_MOST_LOOKED_AT)).all()
    rows = sorted(rows, key=lambda row: (row[1] is None, row[1] or datetime.max.replace(tzinfo=UTC), row[0].name))
    found = []
    for number, (student, flown_at) in enumerate(rows[:_MOST_NOT_BOOKED]):
        due: tuple[str, ...] = ()
        if number < _MOST_DUE and flown_at is not None:
            lesson = page.record_of(db, student, today=today).lesson
            due = tuple(one.name for one in lesson.items if one.part != 'warm_up')[:_MOST_NAMES]
        found.append(
            NotBooked(
                id=student.id,
                name=student.name,
                last_flown_on=None if flown_at is None else flown_at.date(),
                due=due,
            )
        )
    return tuple(found), max(0, len(rows) - _MOST_NOT_BOOKED)


def _is_ahead(row: Any) -> bool:
    return row['cancelled_for'] is None and not row['laps']


def _lessons(db: Session, student_ids: set[int], today: date) -> dict[int, NextLesson]:
    people = db.scalars(select(User).where(User.id.in_(student_ids), User.role == 'student')).all()
    return {one.id: page.record_of(db, one, today=today).lesson for one in people}


def _booked(row: Any, lessons: dict[int, NextLesson]) -> Booked:
    lesson = lessons.get(row['student_id']) if _is_ahead(row) else None
    if lesson is None:
        return Booked(row=row, due=(), not_possible=())
    names = [one.name for one in lesson.items if one.part != 'warm_up']
    return Booked(row=row, due=tuple(names[:_MOST_NAMES]), not_possible=lesson.left_out)
