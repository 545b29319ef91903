"""What a student is to do between lessons: set, done, and seen by the instructor."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import UTC, date, datetime

from sqlalchemy import select
from sqlalchemy.orm import Session

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.explain.faults import FAULTS
from bullseye.store.errors import NotAllowed, NotFound
from bullseye.store.people.roles import may_coach, require_coach
from bullseye.store.rows.people import User
from bullseye.store.rows.record import Homework


def of_student(db: Session, student: User, *, most: int = 60) -> Sequence[Homework]:
    """A student's homework: what is open first, then the latest that is done."""
    query = (
        select(Homework)
        .where(
            Homework.school_id == student.school_id, Homework.student_id == student.id, Homework.removed_at.is_(None)
        )
        .order_by(Homework.done_at.is_not(None), Homework.id.desc())
        .limit(most)
    )
    return db.scalars(query).all()


def give(
    db: Session, student: User, *, by: User, kind: str, words: str, fault: str | None, due_on: date | None
) -> Homework:
    """Set homework.

    :raises NotAllowed: for a student
    """
    require_coach(by)
    if fault is not None and fault not in {one.code for one in FAULTS}:
        raise InvalidInput('fault', fault, 'one of the faults')
    row = Homework(
        school_id=student.school_id,
        student_id=student.id,
        kind=kind,
        words=words,
        fault=fault,
        due_on=due_on,
        set_by=by.id,
    )
    db.add(row)
    db.commit()
    return row


def _find(db: Session, student: User, homework_id: int) -> Homework:
    row = db.get(Homework, homework_id, with_for_update=True) if 0 < homework_id < 2**31 else None
    if row is None or row.student_id != student.id or row.removed_at is not None:
        raise NotFound('homework')
    return row


def mark(db: Session, student: User, homework_id: int, *, by: User, done: bool | None, seen: bool | None) -> Homework:
    """Say that it is done, which the student does, or that it has been seen, which an instructor does.

    :raises NotAllowed: for the other's part
    """
    row = _find(db, student, homework_id)
    now = datetime.now(UTC)
    if done is not None:
        if by.id != student.id and not may_coach(by):
            raise NotAllowed('only the student, or an instructor, says that it is done')
        row.done_at = now if done else None
        if not done:
            row.seen_at = None
    if seen is not None:
        require_coach(by)
        if seen and row.done_at is None:
            raise InvalidInput('seen', seen, 'homework that is done')
        row.seen_at = now if seen else None
    db.commit()
    return row


def take_back(db: Session, student: User, homework_id: int, *, by: User) -> None:
    """Take homework back."""
    require_coach(by)
    _find(db, student, homework_id).removed_at = datetime.now(UTC)
    db.commit()
