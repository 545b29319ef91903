"""Where people are signed in: begun, seen, listed, and ended one by one or all."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from datetime import UTC, datetime, timedelta
from typing import cast

from sqlalchemy import String, column, select, text, update
from sqlalchemy.orm import Session

from bullseye.store import scope
from bullseye.store.errors import NotFound
from bullseye.store.people import deeds
from bullseye.store.rows.people import SignIn, User

IDLE = timedelta(days=30)  # [own] unseen for so long, a sign-in has ended
_SEEN_EVERY = timedelta(minutes=10)
_MOST = 50


def begin(db: Session, person: User, *, device: str) -> None:
    """Begin a sign-in; the person then carries it into their cookie."""
    now = datetime.now(UTC)
    row = SignIn(
        school_id=person.school_id,
        id=uuid.uuid4(),
        person_id=person.id,
        device=device[:200],
        begun_at=now,
        seen_at=now,
    )
    db.add(row)
    deeds.note(db, person, 'sign_in', f'Signed in on {device[:200] or "a device that does not say what it is"}.')
    db.commit()
    person.sign_in_id = row.id


_WHO = text('select (f.who).*, f.asks from person_of_cookie(:person, :epoch, :sign_in, :at, :idle, :seen_every) f')
_WHO_IS = select(User, column('asks', String)).from_statement(_WHO)  # by the names of columns


def of_cookie(db: Session, *, person_id: int, epoch: int, sign_in_id: uuid.UUID) -> User | None:
    """The person a cookie names, while active and this sign-in has not ended; binds the school.

    One question to the database, since every request begins with it.
    """
    given = {'person': person_id, 'epoch': epoch, 'sign_in': sign_in_id}
    given |= {'at': datetime.now(UTC), 'idle': IDLE, 'seen_every': _SEEN_EVERY}
    with scope.told_by_the_answer(db) as found:
        # what it writes, when somebody was seen, is kept by the commit with which reading ends, or not at all
        row = db.execute(_WHO_IS, given, execution_options={'only_reads': True}).one_or_none()
        if row is None:
            return None
        person, asked_of = row
        found.append(person.school_id)
    person.sign_in_id = sign_in_id
    asked = asked_of == 'everybody' or (asked_of == 'teachers' and person.role != 'student')
    person.must_set_second_factor = asked and person.totp_secret is None
    return cast(User, person)


def of_person(db: Session, person: User) -> Sequence[SignIn]:
    """Where a person is signed in now, latest seen first."""
    query = (
        select(SignIn)
        .where(
            SignIn.school_id == person.school_id,
            SignIn.person_id == person.id,
            SignIn.ended_at.is_(None),
            SignIn.seen_at > datetime.now(UTC) - IDLE,
        )
        .order_by(SignIn.seen_at.desc())
        .limit(_MOST)
    )
    return db.scalars(query).all()


def end(db: Session, person: User, sign_in_id: uuid.UUID) -> None:
    """End one of a person's sign-ins: its cookie is worth nothing from now on.

    :raises NotFound: when it is none of theirs
    """
    row = db.get(SignIn, sign_in_id)
    if row is None or row.person_id != person.id:
        raise NotFound('sign-in')
    row.ended_at = row.ended_at or datetime.now(UTC)
    db.commit()


def end_all(db: Session, person: User, *, but: uuid.UUID | None = None) -> None:
    """End all of a person's sign-ins, or all but one. The caller commits."""
    open_ones = (SignIn.school_id == person.school_id, SignIn.person_id == person.id, SignIn.ended_at.is_(None))
    db.execute(
        update(SignIn)
        .where(*open_ones, *(() if but is None else (SignIn.id != but,)))
        .values(ended_at=datetime.now(UTC))
        .execution_options(synchronize_session=False)
    )
