"""Erasing a person who asks for it: all that is theirs goes, but for what the law makes a school keep.

Landings stay as figures of nobody: the aircraft and the school were learned from them. What was signed is kept with the
name for as long as training records must be; both are told to whoever asked.
"""

from __future__ import annotations

import secrets
from dataclasses import dataclass
from datetime import UTC, date, datetime

from sqlalchemy import delete, func, select, update
from sqlalchemy.orm import Session

from bullseye.core.basis.errors import InvalidInput
from bullseye.store import deeds, people, signins
from bullseye.store.errors import Conflict, NotAllowed, NotFound
from bullseye.store.models import Invitation, Lap, LapRevision, Sortie, Track, TrackFile, User
from bullseye.store.recordrows import ExerciseNote, Homework, LogEntry, SignOff, Standing

# [pub: 14 CFR 61.189, three years, value from memory]; elsewhere as long or less: the school looks its own rule up
_YEARS_KEPT = 3
_NO_PASSWORD = '!'  # noqa: S105 - no password has this hash
_ERASED = 'erased.'  # with which the login of somebody erased begins


@dataclass(frozen=True, slots=True, kw_only=True)
class Erased:
    """What went and what is kept, in sentences; ``keep_until`` is None where nothing with the name is kept."""

    gone: tuple[str, ...]
    kept: tuple[str, ...]
    keep_until: date | None


def erase(db: Session, person_id: int, *, by: User, password: str, name: str) -> Erased:
    """Erase a person for good.

    :param password: the chief's own, entered again
    :param name: of the person, typed again: it cannot be undone
    :raises NotAllowed: for anybody but the chief, or a wrong password
    :raises Conflict: for oneself, or somebody who is erased already
    """
    if by.role != 'chief':
        raise NotAllowed('only the chief instructor erases somebody')
    if not people.is_password_of(by, password):
        raise NotAllowed('the password is wrong; nothing was erased')
    person = db.get(User, person_id, with_for_update=True) if 0 < person_id < 2**31 else None
    if person is None:
        raise NotFound('person')
    if person.id == by.id:
        raise Conflict('nobody erases themselves: another chief instructor does it')
    if person.erased_at is not None:
        raise Conflict('this person is erased already')
    if name.strip() != person.name:
        raise InvalidInput('name', name, f'{person.name}, as it is written')
    signed = _last_signature(db, person)
    signins.end_all(db, person)
    flights = _hand_flights_over(db, person)
    _forget(db, person)
    until, former = None, person.name
    if signed is not None:
        until = signed.date().replace(year=signed.year + _YEARS_KEPT, day=min(signed.day, 28))
    else:
        person.name = f'Erased {person.role} {person.id}'
    _forget_in_deeds(db, person, former, is_kept=signed is not None)
    deeds.note(db, by, 'erasure', f'Erased person number {person.id}, who had asked for it.')
    db.commit()
    return _told(person, flights, until)


def _last_signature(db: Session, person: User) -> datetime | None:
    """When something was signed last that names this person; None of never."""
    return db.scalar(
        select(func.max(SignOff.signed_at)).where(
            SignOff.school_id == person.school_id,
            (SignOff.student_id == person.id) | (SignOff.signed_by == person.id),
        )
    )


def _hand_flights_over(db: Session, person: User) -> int:
    """Give sorties and laps to somebody without a name; how many sorties there were."""
    nobody = User(
        school_id=person.school_id,
        login=f'{_ERASED}{secrets.token_hex(12)}',
        name=f'Former {person.role} {person.id}',
        role=person.role,
        password_hash=_NO_PASSWORD,
        is_active=False,
        erased_at=datetime.now(UTC),
    )
    db.add(nobody)
    db.flush()
    school = person.school_id
    mine = select(Sortie.id).where(Sortie.school_id == school, Sortie.student_id == person.id)
    laps = select(Lap.id).where(Lap.school_id == school, Lap.student_id == person.id)
    # positions say where somebody was: the recordings go, what they measured of the landings stays
    db.execute(delete(Track).where(Track.school_id == school, Track.sortie_id.in_(mine)))
    db.execute(
        update(TrackFile)
        .where(TrackFile.school_id == school, TrackFile.sortie_id.in_(mine))
        .values(raw=None, log=None, report=None, removed_at=datetime.now(UTC), name='erased', device=None)
    )
    db.execute(delete(LapRevision).where(LapRevision.school_id == school, LapRevision.lap_id.in_(laps)))
    db.execute(
        update(Lap)
        .where(Lap.school_id == school, Lap.student_id == person.id)
        .values(student_id=nobody.id, note=None)
        .execution_options(synchronize_session=False)
    )
    flights = 0
    for column in (Sortie.student_id, Sortie.instructor_id):
        done = db.execute(
            update(Sortie)
            .where(Sortie.school_id == school, column == person.id)
            .values({column.key: nobody.id})
            .execution_options(synchronize_session=False)
        )
        flights += done.rowcount  # type: ignore[attr-defined]
    db.execute(delete(Standing).where(Standing.school_id == school, Standing.student_id.in_((person.id, nobody.id))))
    return flights


def _forget(db: Session, person: User) -> None:
    """Login, limits, notes, homework and logbook go; nobody can sign in as this person any more."""
    school = person.school_id
    db.execute(delete(Homework).where(Homework.school_id == school, Homework.student_id == person.id))
    db.execute(delete(ExerciseNote).where(ExerciseNote.school_id == school, ExerciseNote.student_id == person.id))
    db.execute(delete(LogEntry).where(LogEntry.school_id == school, LogEntry.person_id == person.id))
    is_theirs = (Invitation.person_id == person.id) | (Invitation.issued_by == person.id)
    db.execute(delete(Invitation).where(Invitation.school_id == school, is_theirs | (Invitation.name == person.name)))
    person.erased_at = datetime.now(UTC)
    person.login = f'{_ERASED}{secrets.token_hex(12)}'
    person.password_hash = _NO_PASSWORD
    person.totp_secret = person.totp_pending = person.totp_step = None
    person.recovery_codes = []
    person.is_active = False
    person.session_epoch += 1
    person.calendar_key_hash = person.crosswind_limit_kt = person.technique_id = None


def _forget_in_deeds(db: Session, person: User, name: str, *, is_kept: bool) -> None:
    """Take the name out of who did what; where a signature keeps it, out of everything but the signing itself."""
    db.flush()
    stand_in = f'person number {person.id}'
    db.execute(select(func.erase_from_deeds(person.id, name, stand_in, is_kept)))


def _told(person: User, flights: int, until: date | None) -> Erased:
    gone = (
        'The name in who did what, but for the signing of what is kept.',
        'Login and password: nobody signs in as this person any more.',
        'Notes, homework and the logbook.',
        'Recorded flights and positions, and what was written of laps in words.',
        f'The name on {flights} sorties and their laps, whose figures stay as those of nobody.',
    )
    if until is None:
        return Erased(gone=(*gone, 'The name.'), kept=(), keep_until=None)
    kept = (
        f'What was signed, with the name, until {until:%-d %b %Y}: a school must keep training records '
        f'({_YEARS_KEPT} years in the US, from memory; look up your own rule).',
    )
    return Erased(gone=gone, kept=kept, keep_until=until)
