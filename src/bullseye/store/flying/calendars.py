"""A person's sorties for their own calendar, behind a secret link that they can end at any time."""

from __future__ import annotations

import hashlib
import secrets
from datetime import UTC, date, datetime, timedelta

from sqlalchemy import or_, select
from sqlalchemy.orm import Session

from bullseye.core.exchange.calendar import CalendarEntry
from bullseye.store import scope
from bullseye.store.errors import NotFound
from bullseye.store.flying.sorties import whole
from bullseye.store.rows.flying import Sortie
from bullseye.store.rows.people import School, User

_BACK, _AHEAD = timedelta(days=30), timedelta(days=366)  # [own] what a calendar shows
_MOST = 500  # [own] sorties in one calendar


def _digest(key: str) -> str:
    """Long random keys need no slow hash."""
    return hashlib.sha256(key.encode()).hexdigest()


def make_link(db: Session, person: User) -> str:
    """A new secret key for a person's calendar; the one before stops working. Told once, only its digest is kept."""
    key = secrets.token_urlsafe(32)
    person.calendar_key_hash = _digest(key)
    db.commit()
    return key


def end_link(db: Session, person: User) -> None:
    """End a person's link."""
    person.calendar_key_hash = None
    db.commit()


def by_link(db: Session, key: str, *, today: date) -> tuple[User, list[CalendarEntry]]:
    """Whose calendar a key opens, and what is in it; binds the school.

    :raises NotFound: when it opens none
    """
    scope.see_every_school(db)
    person = db.scalar(select(User).where(User.calendar_key_hash == _digest(key), User.is_active))
    if person is None:
        raise NotFound('calendar')
    scope.bind(db, person.school_id)
    query = (
        whole()
        .where(
            Sortie.school_id == person.school_id,
            Sortie.planned_on >= today - _BACK,
            Sortie.planned_on <= today + _AHEAD,
            Sortie.removed_at.is_(None),
            or_(Sortie.student_id == person.id, Sortie.instructor_id == person.id),
        )
        .order_by(Sortie.planned_on, Sortie.id)
        .limit(_MOST)
    )
    return person, [entry_of(sortie) for sortie in db.scalars(query).unique()]


def entry_of(sortie: Sortie) -> CalendarEntry:
    """A sortie as a calendar has it: who, where, in what; never what was scored."""
    school: School = sortie.school
    end = sortie.runway_end
    cancelled = f'Cancelled: {sortie.cancelled_for}. ' if sortie.cancelled_for else ''
    return CalendarEntry(
        uid=f'sortie-{sortie.id}@bullseye',
        title=f'{sortie.student.name} with {sortie.instructor.name}',
        place=f'{end.airfield.name}, runway {end.ident}',
        words=f'{cancelled}{sortie.landing.replace("_", "-")} landings in the {sortie.aircraft.name}; {school.name}.',
        day=sortie.planned_on,
        at=sortie.planned_time,
        booked_min=sortie.booked_min,
        is_cancelled=sortie.cancelled_for is not None,
        changed_at=sortie.created_at or datetime.now(UTC),
    )
