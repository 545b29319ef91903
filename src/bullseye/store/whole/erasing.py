"""Erasing a person who asks for it: all that is theirs goes, but for what the law makes a school keep.

Landings stay as figures of nobody: the aircraft and the school were learned from them. What was signed is kept with the
name for as long as training records must be. Both are told to whoever asked, and so is where words of others name the
person: those are put right by hand.

An erasure is listed outside of the database too (``BULLSEYE_ERASED``), by number and a digest: a backup that is older
knows nothing of it, and whoever was erased is erased again when it has been restored.
"""

from __future__ import annotations

import hashlib
import json
import os
import secrets
from dataclasses import dataclass
from datetime import UTC, date, datetime, timedelta
from pathlib import Path
from typing import Final

from sqlalchemy import Text, cast, delete, func, or_, select, text, update
from sqlalchemy.dialects.postgresql import ARRAY, JSONB
from sqlalchemy.orm import Session

from bullseye.core.basis.errors import InvalidInput
from bullseye.store import scope
from bullseye.store.errors import Conflict, NotAllowed, NotFound
from bullseye.store.people import deeds, joining, signins
from bullseye.store.rows.flying import Lap, LapRevision, Sortie
from bullseye.store.rows.people import Invitation, SignIn, User
from bullseye.store.rows.record import ExerciseNote, Homework, LogEntry, Practice, SignOff, Standing
from bullseye.store.rows.tracks import Track, TrackFile
from bullseye.store.whole import traces

# [pub: 14 CFR 61.189, three years, value from memory]; elsewhere as long or less: the school looks its own rule up
_YEARS_KEPT = 3
_NO_PASSWORD = '!'  # noqa: S105 - no password has this hash
_ERASED = 'erased.'  # with which the login of somebody erased begins
_SOMEBODY: Final = 'somebody erased'


@dataclass(frozen=True, slots=True, kw_only=True)
class Erased:
    """What went and what is kept, in sentences; ``keep_until`` is None where nothing with the name is kept by law.

    ``named_in``: where words that others wrote name the person still, to be put right by hand.
    """

    gone: tuple[str, ...]
    kept: tuple[str, ...]
    named_in: tuple[str, ...]
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
    if not joining.is_password_of(by, password):
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
    mark = _mark_of(person)
    flights, until, named = _erase(db, person)
    deeds.note(db, by, 'erasure', 'Erased somebody who had asked for it.')
    db.commit()
    return _told(flights, until, named, is_listed=_list(mark))


def _erase(db: Session, person: User) -> tuple[int, date | None, list[str]]:
    """Take out what is theirs; how many sorties, until when what was signed is kept, and who else names them."""
    names = [person.name, person.login, *person.former_names]
    signed = _last_signature(db, person)
    flights = _hand_flights_over(db, person, names)
    _forget(db, person)
    until = None
    if signed is not None:
        until = signed.date().replace(year=signed.year + _YEARS_KEPT, day=min(signed.day, 28))
    else:
        person.name = f'Erased {person.role} {secrets.randbelow(9_000) + 1_000}'
    db.flush()
    db.execute(select(func.erase_from_deeds(person.id, cast(names, ARRAY(Text)), _SOMEBODY, signed is not None)))
    return flights, until, traces.named_in(db, person.school_id, names)


def _mark_of(person: User) -> dict[str, str | int]:
    """By what somebody erased is known again in an older backup: a number, and a digest that tells no name."""
    told = f'{person.school_id} {person.id} {person.login}'
    return {'id': person.id, 'digest': hashlib.sha256(told.encode()).hexdigest()}


def _list(mark: dict[str, str | int]) -> bool:
    """Keep an erasure outside of the database; False where no place for that is named or it cannot be written."""
    named = os.environ.get('BULLSEYE_ERASED', '')
    if not named:
        return False
    try:
        file = os.open(named, os.O_WRONLY | os.O_APPEND | os.O_CREAT, 0o600)
        with os.fdopen(file, 'a', encoding='utf-8') as out:
            out.write(json.dumps(mark | {'erased_at': datetime.now(UTC).isoformat()}) + '\n')
            out.flush()
            os.fsync(out.fileno())
    except OSError:
        return False
    return True


def erase_again(db: Session) -> int:
    """Erase whoever is listed as erased and is here unerased, as after an older backup was restored; how many."""
    file = Path(os.environ.get('BULLSEYE_ERASED', '') or os.devnull)
    found = 0
    lines = file.read_text(encoding='utf-8').splitlines() if file.exists() else []
    for line in dict.fromkeys(lines):
        mark = json.loads(line)
        scope.see_every_school(db)
        person = db.get(User, mark['id'])
        if person is None or person.erased_at is not None or _mark_of(person)['digest'] != mark['digest']:
            continue
        scope.bind(db, person.school_id)
        _erase(db, person)
        db.commit()
        found += 1
    return found


def _last_signature(db: Session, person: User) -> datetime | None:
    """When something was signed last that names this person, if it is kept by law still; None: nothing is."""
    last: datetime | None = db.scalar(
        select(func.max(SignOff.signed_at)).where(
            SignOff.school_id == person.school_id,
            (SignOff.student_id == person.id) | (SignOff.signed_by == person.id),
        )
    )
    if last is None or last < datetime.now(UTC) - timedelta(days=365.25 * _YEARS_KEPT):
        return None
    return last


def _hand_flights_over(db: Session, person: User, names: list[str]) -> int:
    """Give sorties and laps to somebody without a name; how many sorties there were."""
    nobody = User(
        school_id=person.school_id,
        login=f'{_ERASED}{secrets.token_hex(12)}',
        name=f'Former {person.role} {secrets.randbelow(9_000) + 1_000}',
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
        .where(
            TrackFile.school_id == school,
            TrackFile.sortie_id.in_(mine) | (TrackFile.sortie_id.is_(None) & (TrackFile.uploaded_by == person.id)),
        )
        .values(
            **{'raw': None, 'log': None, 'report': None, 'device': None, 'columns': None, 'problem': None},
            **{'progress': '', 'warnings': [], 'name': 'erased', 'removed_at': datetime.now(UTC)},
        )
        .execution_options(synchronize_session=False)
    )
    for file in traces.files_named(db, school, names):
        file.name = 'renamed'
    _forget_as_author(db, person)
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


def _forget_as_author(db: Session, person: User) -> None:
    """Numbers set by hand are signed with the name of who set them."""
    signed = f'"by": {json.dumps(person.name, ensure_ascii=False)}'
    for model in (Sortie, Lap):
        told = cast(model.overruled, Text)
        db.execute(
            update(model)
            .where(model.school_id == person.school_id, model.overruled.is_not(None), func.strpos(told, signed) > 0)
            .values(overruled=cast(func.replace(told, signed, f'"by": "{_SOMEBODY}"'), JSONB))
            .execution_options(synchronize_session=False)
        )


def _forget(db: Session, person: User) -> None:
    """Login, limits, notes, homework and logbook go; nobody can sign in as this person any more."""
    school = person.school_id
    db.execute(delete(Homework).where(Homework.school_id == school, Homework.student_id == person.id))
    db.execute(delete(ExerciseNote).where(ExerciseNote.school_id == school, ExerciseNote.student_id == person.id))
    db.execute(delete(Practice).where(Practice.school_id == school, Practice.person_id == person.id))
    db.execute(delete(LogEntry).where(LogEntry.school_id == school, LogEntry.person_id == person.id))
    is_theirs = (Invitation.person_id == person.id) | (Invitation.issued_by == person.id)
    called = [func.lower(Invitation.name) == name.lower() for name in (person.name, *person.former_names)]
    db.execute(delete(Invitation).where(Invitation.school_id == school, or_(is_theirs, *called)))
    signins.end_all(db, person)
    db.execute(delete(SignIn).where(SignIn.school_id == school, SignIn.person_id == person.id))
    # letters that wait, and those that were sent: the queue keeps the address of both
    db.execute(text("delete from procrastinate_jobs where lower(args ->> 'login') = :login"), {'login': person.login})
    person.former_names = []
    person.erased_at = datetime.now(UTC)
    person.login = f'{_ERASED}{secrets.token_hex(12)}'
    person.password_hash = _NO_PASSWORD
    person.totp_secret = person.totp_pending = person.totp_step = None
    person.recovery_codes = []
    person.is_active = False
    person.session_epoch += 1
    person.calendar_key_hash = person.crosswind_limit_kt = person.technique_id = None


def _told(flights: int, until: date | None, named: list[str], *, is_listed: bool) -> Erased:
    gone = [
        'The name and the number in who did what, but for the signing of what is kept.',
        'Login, password, sign-ins and the devices they were on, links, invitations, and letters in the queue.',
        'Notes, homework, what was practised on the ground, and the logbook.',
        'Recorded flights and positions, also those that belong to no sortie, and what was written of laps in words.',
        f'The name on {flights} sorties and their laps, whose figures stay as those of nobody.',
    ]
    kept = []
    if until is None:
        gone.append('The name.')
    else:
        kept.append(
            f'What was signed, with the name, until {until:%-d %b %Y}: a school must keep training records '
            f'({_YEARS_KEPT} years in the US, from memory; look up your own rule).'
        )
    kept.append('What is in backups that were made before now, until they are thinned out or taken away.')
    if not is_listed:
        kept.append(
            'This erasure is kept nowhere outside of the database: after an older backup is restored, erase again. '
            'Whoever runs the server names a file for it, BULLSEYE_ERASED.'
        )
    return Erased(gone=tuple(gone), kept=tuple(kept), named_in=tuple(named), keep_until=until)
