"""Signing: with the instructor's own password, kept for good, and corrected only by a later entry."""

from __future__ import annotations

import uuid
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import UTC, date, datetime, timedelta
from typing import Any, Literal

from sqlalchemy import select
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.record.lesson import Standing
from bullseye.core.record.syllabus import HELD
from bullseye.store.errors import Conflict, NotAllowed, NotFound
from bullseye.store.people import deeds, joining
from bullseye.store.people.roles import require_coach
from bullseye.store.record import page
from bullseye.store.rows.equipment import Aircraft
from bullseye.store.rows.people import User
from bullseye.store.rows.record import SignOff

Kind = Literal['exercise', 'first_solo', 'check_out', 'recommendation', 'correction']
SOLO_DAYS = 90  # [pub: 14 CFR 61.87, from memory]
# what a first solo needs beside numbers [com]; every one is ticked by the instructor
SOLO_CHECKLIST: tuple[tuple[str, str], ...] = (
    ('radio', 'Calls and lost communication'),
    ('go_around', 'Goes around without being told'),
    ('emergencies', 'Engine failure on takeoff and in the pattern'),
    ('field', 'Knows the field, its pattern and its traffic'),
    ('aircraft', 'Knows the aircraft: speeds, fuel, flows'),
    ('limits', 'Has been told wind, crosswind and runway limits'),
    ('documents', 'Medical, licence and papers seen'),
)
CHECK_OUT_LIST: tuple[tuple[str, str], ...] = (
    ('flows', 'Flows and checks'),
    ('speeds', 'Speeds, flap and gear limits'),
    ('systems', 'Fuel, engine, electrics'),
    ('stalls', 'Stalls and slow flight in this aircraft'),
    ('landings', 'Landings, crosswind and go-around in this aircraft'),
    ('emergencies', 'Emergencies of this aircraft'),
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Entry:
    """What is to be signed. ``ticked`` are items of the checklist; ``limits`` in words, of a first solo."""

    id: uuid.UUID
    kind: Kind
    words: str
    code: str | None = None
    aircraft_id: int | None = None
    ticked: tuple[str, ...] = ()
    limits: Mapping[str, float | str] | None = None
    corrects: uuid.UUID | None = None


def warnings_of(known: page.Record, entry: Entry) -> list[str]:
    """What speaks against signing; said before, kept with it, and never in the way."""
    by_code = {one.exercise.code: one for one in known.standings}
    said = []
    if entry.kind == 'exercise' and entry.code in by_code:
        said += _against(by_code[entry.code], by_code)
    if entry.kind == 'recommendation':
        below = [one for one in known.standings if one.exercise.landing is not None and one.state not in HELD]
        said += _below(below)
    if entry.kind == 'first_solo':
        begun = ('not_begun', 'introduced', 'practised', 'stale')
        asked = [by_code[code] for code in ('landing_normal', 'go_around') if code in by_code]
        said += _below([one for one in asked if one.state in begun])
    checklist = {'first_solo': SOLO_CHECKLIST, 'check_out': CHECK_OUT_LIST}.get(entry.kind, ())
    open_items = [name for code, name in checklist if code not in entry.ticked]
    if open_items:
        said.append(f'Not ticked: {", ".join(open_items)}.')
    return [*said, *(str(one.words) for one in known.currency if not one.holds)]


def _below(standings: Sequence[Standing]) -> list[str]:
    names = ', '.join(one.exercise.name for one in standings)
    return [f'Not at standard: {names}.'] if names else []


def _against(standing: Standing, by_code: Mapping[str, Standing]) -> list[str]:
    """What speaks against signing one exercise."""
    said = []
    if standing.exercise.landing is not None and standing.state not in HELD:
        known = standing.readiness
        said.append('No landing of this kind is on record by this standard.' if known is None else str(known.words))
    if standing.readiness is not None:
        said += [str(one) for one in standing.readiness.not_known]
    needs = [by_code[need] for need in standing.exercise.needs if need in by_code]
    open_needs = [one.exercise.name for one in needs if one.state in ('not_begun', 'introduced')]
    return [*said, *(f'Not practised yet: {name}.' for name in open_needs)]


def sign(db: Session, student: User, *, by: User, password: str, entry: Entry, today: date) -> SignOff:
    """Sign an entry; sent twice it is signed once.

    :raises NotAllowed: for a student, or a wrong password
    :raises InvalidInput: for what cannot be signed
    :raises Conflict: when the id belongs to another entry
    """
    require_coach(by)
    if not joining.is_password_of(by, password):
        raise NotAllowed('the password is wrong; nothing was signed')
    there = db.scalar(select(SignOff).where(SignOff.school_id == student.school_id, SignOff.id == entry.id))
    if there is not None:
        if there.student_id != student.id or there.kind != entry.kind or there.code != entry.code:
            raise Conflict('this number belongs to another entry')
        return there
    if student.id == by.id:
        raise InvalidInput('student', by.name, 'somebody else: nobody signs for themselves')
    known = page.record_of(db, student, today=today)
    _check(db, student, entry)
    row = SignOff(
        school_id=student.school_id,
        id=entry.id,
        student_id=student.id,
        kind=entry.kind,
        code=entry.code,
        aircraft_id=entry.aircraft_id,
        words=entry.words,
        standard=known.standard.name,
        edition=known.standard.edition,
        evidence=_evidence(known, entry),
        valid_until=today + timedelta(days=SOLO_DAYS) if entry.kind == 'first_solo' else None,
        corrects=entry.corrects,
        signed_by=by.id,
        signed_at=datetime.now(UTC),
    )
    db.add(row)
    deeds.note(db, by, 'sign_offs', f'Signed for {student.name}: {entry.kind.replace("_", " ")}, {entry.words}')
    try:
        db.commit()
    except IntegrityError:
        db.rollback()
        twice = db.scalar(select(SignOff.id).where(SignOff.school_id == student.school_id, SignOff.id == entry.id))
        if twice is None:
            raise
        # sent twice at once: the other one was kept, and is judged like one that was sent before
        return sign(db, student, by=by, password=password, entry=entry, today=today)
    return row


def _check(db: Session, student: User, entry: Entry) -> None:
    if entry.kind == 'exercise':
        page.exercise_of(db, entry.code or '')
    number = entry.aircraft_id
    aircraft = db.get(Aircraft, number) if number is not None and 0 < number < 2**31 else None
    is_asked = number is not None or entry.kind == 'check_out'
    if is_asked and (aircraft is None or aircraft.school_id != student.school_id):
        raise InvalidInput('aircraft_id', entry.aircraft_id, 'an aircraft of the school')
    if (entry.kind == 'correction') != (entry.corrects is not None):
        raise InvalidInput('corrects', entry.corrects, 'the entry that a correction is of, and of nothing else')
    if entry.corrects is not None:
        of = db.scalar(
            select(SignOff).where(
                SignOff.school_id == student.school_id,
                SignOff.id == entry.corrects,
                SignOff.student_id == student.id,
                SignOff.kind != 'correction',
            )
        )
        if of is None:
            raise NotFound('entry')


def _evidence(known: page.Record, entry: Entry) -> dict[str, Any]:
    """What the record showed at this moment."""
    found: dict[str, Any] = {'warnings': warnings_of(known, entry), 'ticked': list(entry.ticked)}
    if entry.limits:
        found['limits'] = dict(entry.limits)
    for one in known.standings:
        if entry.kind == 'exercise' and one.exercise.code == entry.code:
            found['state'] = one.state
            if one.readiness is not None:
                found |= {
                    'chance': one.readiness.chance,
                    'sure': one.readiness.sure,
                    'judged': one.readiness.judged,
                    'words': str(one.readiness.words),
                }
    return found


def all_of(db: Session, student: User) -> Sequence[SignOff]:
    """Everything that was ever signed of a student, latest first, corrections and what they correct included."""
    query = (
        select(SignOff)
        .where(SignOff.school_id == student.school_id, SignOff.student_id == student.id)
        .order_by(SignOff.signed_at.desc(), SignOff.id)
    )
    return db.scalars(query).all()
