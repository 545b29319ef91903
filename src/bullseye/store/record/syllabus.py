"""The school's syllabus: the built-in one until it is changed, then rows of its own."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import UTC, datetime
from typing import Any

from pydantic import TypeAdapter
from sqlalchemy import select
from sqlalchemy.orm import Session

from bullseye.core.record.syllabus import BUILT_IN, Exercise, check_syllabus
from bullseye.store.errors import NotAllowed
from bullseye.store.people import deeds
from bullseye.store.rows.people import School, User
from bullseye.store.rows.record import Exercise as Row

_EXERCISE = TypeAdapter(Exercise)


def exercises(db: Session, *, retired_too: bool = False) -> tuple[Exercise, ...]:
    """The exercises that the bound school teaches, in order."""
    rows = db.scalars(select(Row).order_by(Row.position, Row.id)).all()
    if not rows:
        return BUILT_IN
    return tuple(_EXERCISE.validate_python(row.spec) for row in rows if retired_too or row.removed_at is None)


def replace(db: Session, *, by: User, wanted: Sequence[Exercise]) -> tuple[Exercise, ...]:
    """Teach these exercises in this order; those that are no longer among them are retired, their record stays.

    :raises NotAllowed: for anybody but the chief instructor
    :raises InvalidInput: for a syllabus that nobody could begin or end
    """
    if by.role != 'chief':
        raise NotAllowed('only the chief instructor changes the syllabus')
    check_syllabus(wanted)
    db.get_one(School, by.school_id, with_for_update=True)  # one after the other, also while there are no rows yet
    rows = {row.code: row for row in db.scalars(select(Row).with_for_update())}
    if not rows:
        # what was taught until now is kept, so that what was signed of it can still be named
        for position, one in enumerate(BUILT_IN):
            rows[one.code] = _row(by.school_id, position, one)
        db.add_all(rows.values())
        db.flush()
    now = datetime.now(UTC)
    codes = {one.code for one in wanted}
    for code, row in rows.items():
        if code not in codes and row.removed_at is None:
            row.removed_at = now
    for position, one in enumerate(wanted):
        row = rows.get(one.code) or _row(by.school_id, position, one)
        row.position, row.spec, row.removed_at = position, _plain(one), None
        db.add(row)
    deeds.note(db, by, 'syllabus', f'Changed the syllabus: {len(wanted)} exercises.')
    db.commit()
    return exercises(db)


def _plain(one: Exercise) -> dict[str, Any]:
    plain: dict[str, Any] = _EXERCISE.dump_python(one, mode='json')
    return plain


def _row(school_id: int, position: int, one: Exercise) -> Row:
    return Row(school_id=school_id, code=one.code, position=position, spec=_plain(one), removed_at=None)
