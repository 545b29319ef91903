"""What a new sortie starts with: never the weather of an old one, which is only told."""

from __future__ import annotations

from datetime import date, time
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bullseye.core.air.wind import shown_magnetic_deg
from bullseye.core.basis.errors import InvalidInput
from bullseye.store.equipment import catalogue
from bullseye.store.flying import sortielist
from bullseye.store.flying.sortielist import Wanted
from bullseye.store.flying.sorties import create
from bullseye.store.people.roles import require_coach
from bullseye.store.record import page
from bullseye.store.rows.equipment import RunwayEnd
from bullseye.store.rows.flying import Sortie
from bullseye.store.rows.people import User


def propose(db: Session, *, by: User, student_id: int | None, today: date) -> dict[str, Any]:
    """Propose a sortie: who is next today, what they flew last, and where.

    :raises NotAllowed: for a student
    """
    require_coach(by)
    why: list[str] = []
    if student_id is None:
        student_id = _student_of_today(db, by, today, why)
    last = _latest(db, by, Wanted(student_id=student_id)) if student_id is not None else None
    last = last or _latest(db, by, Wanted())
    end = None if last is None else db.get(RunwayEnd, last.runway_end_id)
    landing = 'normal' if last is None else last.landing
    student = None if student_id is None else db.get(User, student_id)
    if student is not None and student.role == 'student':
        landing = _next_landing(db, student, landing, today, why)
    return {
        'student_id': student_id,
        'aircraft_id': None if last is None else last.aircraft_id,
        'runway_end_id': None if last is None else last.runway_end_id,
        'standard_id': None if last is None else last.standard_id,
        'landing': landing,
        'why': why,
        'last_weather': None if end is None else _last_weather(db, by, end),
    }


def _student_of_today(db: Session, by: User, today: date, why: list[str]) -> int | None:
    """The instructor's student of today who has not flown yet; else who flew with them last."""
    on_day = Wanted(first_day=today, last_day=today, instructor_id=by.id, state='planned', oldest_first=True)
    for row in sortielist.page(db, by, on_day, most=1).rows:
        why.append(f'{row["student_name"]} is planned for today and has not flown yet.')
        return int(row['student_id'])
    for row in sortielist.page(db, by, Wanted(instructor_id=by.id), most=1).rows:
        why.append(f'{row["student_name"]} flew with you last.')
        return int(row['student_id'])
    first = db.scalar(select(User.id).where(User.role == 'student', User.is_active).order_by(User.name).limit(1))
    return None if first is None else int(first)


def _next_landing(db: Session, student: User, usual: str, today: date, why: list[str]) -> str:
    """The landing that the record asks for next, where the student's standard has a task for it."""
    known = page.record_of(db, student, today=today)
    by_code = {one.exercise.code: one.exercise for one in known.standings}
    wanted = by_code[known.lesson.main].landing if known.lesson.main in by_code else None
    if wanted is None or not known.standard.can_plan(wanted):
        return usual
    why += [f'{one.name}: {one.why}' for one in known.lesson.items if one.code == known.lesson.main]
    return wanted


def next_sortie(db: Session, student: User, *, by: User, planned_on: date, planned_time: time | None) -> Sortie:
    """Make the sortie of a student's next lesson; its wind is not known yet.

    :raises InvalidInput: when the school has no aircraft, field or standard for it
    """
    values = next_values(db, student, by=by, planned_on=planned_on)
    return create(db, by=by, values={**values, 'planned_on': planned_on, 'planned_time': planned_time})


def next_values(db: Session, student: User, *, by: User, planned_on: date) -> dict[str, Any]:
    """Who, in what, where, by which standard and which landing a student flies next.

    :raises InvalidInput: when the school has no aircraft, field or standard for it
    """
    found = propose(db, by=by, student_id=student.id, today=planned_on)
    for name in ('aircraft_id', 'runway_end_id', 'standard_id'):
        if found[name] is None:
            raise InvalidInput(name, None, 'one that a sortie was flown with: make the first sortie by hand')
    return {name: found[name] for name in ('student_id', 'aircraft_id', 'runway_end_id', 'standard_id', 'landing')}


def _latest(db: Session, by: User, wanted: Wanted) -> Any:
    rows = sortielist.page(db, by, wanted, most=1).rows
    return rows[0] if rows else None


def _last_weather(db: Session, by: User, end: RunwayEnd) -> dict[str, Any] | None:
    """Wind and air as they were last given at a field."""
    query = (
        select(Sortie)
        .join(RunwayEnd, Sortie.runway_end)
        .where(
            Sortie.school_id == by.school_id,
            Sortie.removed_at.is_(None),
            Sortie.weather_at.is_not(None),
            RunwayEnd.airfield_id == end.airfield_id,
        )
        .order_by(Sortie.planned_on.desc(), Sortie.id.desc())
        .limit(1)
    )
    found = db.scalar(query)
    if found is None:
        return None
    names = ('wind_dir_deg_true', 'wind_kt', 'gust_kt', 'temperature_c', 'qnh_hpa')
    variation_deg = catalogue.runway_of(end).magnetic_variation_deg
    return {
        **{name: getattr(found, name) for name in names},
        'wind_dir_deg_mag': shown_magnetic_deg(found.wind_dir_deg_true, variation_deg=variation_deg),
        'at': found.weather_at,
    }
