"""The book of who did what and when: added to, never changed, read by the chief."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Literal

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from bullseye.store.database import note_writing
from bullseye.store.errors import NotAllowed
from bullseye.store.rows.people import Deed, User

What = Literal['sign_in', 'people', 'limits', 'standards', 'syllabus', 'laps', 'sign_offs', 'exports', 'erasure']
PAGE = 60


def note(db: Session, by: User, what: What, words: str) -> None:
    """Write down what somebody does, in the transaction that does it; hour and name are the database's own."""
    db.flush()  # a name that was changed just now
    note_writing(db)
    db.execute(select(func.note_deed(by.id, what, words)))


def page(
    db: Session, *, by: User, what: What | None = None, before: int | None = None
) -> tuple[Sequence[Deed], int | None]:
    """Deeds of the school, latest first, and the number before which the next page begins; None on the last.

    :raises NotAllowed: for anybody but the chief
    """
    if by.role != 'chief':
        raise NotAllowed('only the chief instructor reads this')
    query = select(Deed).where(Deed.school_id == by.school_id)
    if what is not None:
        query = query.where(Deed.what == what)
    if before is not None:
        query = query.where(Deed.id < before)
    rows = db.scalars(query.order_by(Deed.id.desc()).limit(PAGE + 1)).all()
    return rows[:PAGE], rows[PAGE - 1].id if len(rows) > PAGE else None
