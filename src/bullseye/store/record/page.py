"""The page of a student: where they stand, what comes next, what was signed, noted and set."""

from __future__ import annotations

import uuid
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import UTC, date, datetime, timedelta
from typing import Any, cast

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from bullseye.core.air.sun import is_night
from bullseye.core.basis.kinds import LandingKind
from bullseye.core.explain.faults import steady_fault
from bullseye.core.given.standards import Standard as CoreStandard
from bullseye.core.record.currency import RULES, Currency, Landed, currency
from bullseye.core.record.evidence import Flown
from bullseye.core.record.lesson import Head, NextLesson, Standing, head_of, next_lesson
from bullseye.core.record.progress import KindProgress, progress_of
from bullseye.core.record.readiness import Readiness
from bullseye.core.record.setting import not_allowed
from bullseye.core.record.syllabus import Exercise, Noted, Shown, state_of
from bullseye.core.record.tasks import TaskProgress, drill_readiness, task_progress
from bullseye.store.equipment import catalogue
from bullseye.store.errors import NotFound
from bullseye.store.flying import sortielist
from bullseye.store.flying.nextflight import NextFlight, next_flight
from bullseye.store.flying.sortielist import Wanted
from bullseye.store.people.roles import may_coach, require_coach
from bullseye.store.record import evidence, syllabus
from bullseye.store.rows.equipment import RunwayEnd, Standard
from bullseye.store.rows.flying import Lap, Sortie
from bullseye.store.rows.people import School, User
from bullseye.store.rows.record import ExerciseNote, SignOff

_CURRENCY_BACK = timedelta(days=400)  # longer than any rule looks
_CURRENCY_LAPS = 400  # [own] of them at most: enough for any rule


def find_student(db: Session, student_id: int, *, person: User) -> User:
    """A student that a person may look at: an instructor any of the school, a student themselves.

    :raises NotFound: when there is none, or it is somebody else
    """
    found = db.get(User, student_id) if 0 < student_id < 2**31 else None
    if found is None or not (may_coach(person) or found.id == person.id):
        raise NotFound('student')
    return found


@dataclass(frozen=True, slots=True, kw_only=True)
class Record:
    """Where a student stands, by one standard."""

    student: User
    standard: CoreStandard
    standard_id: int | None
    standings: tuple[Standing, ...]
    kinds: tuple[KindProgress, ...]
    tasks: tuple[TaskProgress, ...]  # the rest of the lap
    not_judged: tuple[LandingKind, ...]  # flown, but the standard has no task for it
    currency: tuple[Currency, ...]
    lesson: NextLesson
    flight: NextFlight | None  # that the lesson is proposed for
    head: Head
    stage: str


def record_of(db: Session, student: User, *, today: date, standard_id: int | None = None) -> Record:
    """Where a student stands today, by a standard or by that of their latest sortie.

    :raises NotFound: when the school has no such standard
    """
    school = db.get_one(School, student.school_id)
    row = _standard(db, student, standard_id)
    standard = catalogue.standard_of(row)
    flown = evidence.flown_by(db, student.school_id, student.id)
    kinds = {
        kind: progress_of(laps, tolerance=standard.tolerance(kind), needed=school.needed_chance)
        for kind, laps in flown.items()
        if standard.examines(kind)
    }
    laps = sorted((one for of_kind in flown.values() for one in of_kind), key=lambda one: one.flown_at)
    tasks = task_progress(laps, standard=standard, needed=school.needed_chance)
    standings = standings_of(db, student, school=school, flown=flown, kinds=kinds, tasks=tasks, today=today)
    flight = next_flight(db, student, school=school, standard=standard, today=today)
    lesson = next_lesson(
        standings,
        today=today,
        steady_fault=steady_fault([one.marks for one in laps if one.is_landing]),
        not_today={} if flight is None else not_allowed([one.exercise for one in standings], flight.setting),
        most_items=None if flight is None else flight.setting.most_items,
    )
    return Record(
        student=student,
        standard=standard,
        standard_id=row.id,
        standings=standings,
        kinds=tuple(kinds.values()),
        tasks=tasks,
        not_judged=tuple(kind for kind in flown if kind not in kinds),
        currency=currency_of(db, student, school=school, today=today),
        lesson=lesson,
        flight=flight,
        head=head_of(standings, lesson),
        stage=stage_of(signed_of(db, student), today=today),
    )


def _standard(db: Session, student: User, standard_id: int | None) -> Standard:
    """The standard asked for, else that of the student's latest sortie, else the school's first."""
    if standard_id is not None:
        row = db.get(Standard, standard_id) if 0 < standard_id < 2**31 else None
        if row is None:
            raise NotFound('standard')
        return row
    latest = db.scalar(
        select(Sortie.standard_id)
        .where(Sortie.school_id == student.school_id, Sortie.student_id == student.id, Sortie.removed_at.is_(None))
        .order_by(Sortie.planned_on.desc(), Sortie.id.desc())
        .limit(1)
    )
    if latest is not None:
        return db.get_one(Standard, latest)
    row = db.scalar(select(Standard).where(Standard.removed_at.is_(None)).order_by(Standard.id).limit(1))
    if row is None:
        raise NotFound('standard')
    return row


def standings_of(
    db: Session,
    student: User,
    *,
    school: School,
    flown: Mapping[LandingKind, Sequence[Flown]],
    kinds: Mapping[LandingKind, KindProgress],
    tasks: Sequence[TaskProgress],
    today: date,
) -> tuple[Standing, ...]:
    """Where a student stands in every exercise of the syllabus, in teaching order."""
    counts = evidence.counts_of(db, student.school_id, student.id)
    noted = _latest_notes(db, student)
    signed = {one.code: one for one in signed_of(db, student) if one.kind == 'exercise'}
    found = []
    for exercise in syllabus.exercises(db):
        known: Readiness | None = None
        laps, last_on = 0, None
        if exercise.landing is not None:
            of_kind = flown.get(exercise.landing, ())
            laps, last_on = len(of_kind), of_kind[-1].flown_at.date() if of_kind else None
            if exercise.landing in kinds:
                known = kinds[exercise.landing].readiness
        else:
            names = [f'takeoff {exercise.takeoff}'] if exercise.takeoff else []
            names += [f'outcome {exercise.outcome}'] if exercise.outcome else []
            names += ['lap'] if exercise.code == 'pattern' else []
            for name in names:
                if name in counts:
                    laps, last_on = counts[name][0], counts[name][1].date()
            known = _of_task(exercise, tasks) or _of_drill(exercise, flown, school.needed_chance)
        note = noted.get(exercise.code)
        sign = signed.get(exercise.code)
        shown = Shown(
            laps=laps,
            last_on=last_on,
            readiness=None if known is None else known.state,
            noted=None if note is None else cast(Noted, note.noted),
            noted_on=None if note is None else note.noted_on,
            signed_on=None if sign is None else sign.signed_at.date(),
        )
        found.append(
            Standing(
                exercise=exercise,
                state=state_of(shown, today=today, stale_days=school.stale_days),
                readiness=known,
                latest_on=shown.latest_on,
            )
        )
    return tuple(found)


def _of_drill(exercise: Exercise, flown: Mapping[LandingKind, Sequence[Flown]], needed: float) -> Readiness | None:
    """What laps show of a drill without a landing; None of an exercise that is none, or was never seen."""
    if exercise.outcome not in ('drill', 'low_approach'):
        return None
    laps = sorted((one for of_kind in flown.values() for one in of_kind), key=lambda one: one.flown_at)
    met = [one.drill_met for one in laps if one.outcome == exercise.outcome and one.drill_met is not None]
    return drill_readiness(met, needed=needed) if met else None


def _of_task(exercise: Exercise, tasks: Sequence[TaskProgress]) -> Readiness | None:
    """What laps show of a takeoff, of the pattern, or of going around; None where they cannot."""
    for one in tasks:
        if exercise.takeoff is not None and one.task == 'takeoff' and one.takeoff == exercise.takeoff:
            return one.readiness
        if exercise.code == 'pattern' and one.task == 'pattern':
            return one.readiness
        if exercise.outcome == 'go_around' and one.task == 'decision':
            return one.readiness
    return None


def _latest_notes(db: Session, student: User) -> dict[str, ExerciseNote]:
    """The latest note of each exercise; one that it was practised before one that it was introduced."""
    query = (
        select(ExerciseNote)
        .distinct(ExerciseNote.code)
        .where(
            ExerciseNote.school_id == student.school_id,
            ExerciseNote.student_id == student.id,
            ExerciseNote.removed_at.is_(None),
        )
        .order_by(ExerciseNote.code, ExerciseNote.noted_on.desc(), ExerciseNote.noted.desc(), ExerciseNote.id.desc())
    )
    return {row.code: row for row in db.scalars(query)}


def note_exercise(
    db: Session, student: User, *, by: User, code: str, noted: Noted, on: date, sortie_id: int | None, words: str | None
) -> ExerciseNote:
    """Note that an exercise was introduced or practised.

    :raises NotAllowed: for a student
    :raises NotFound: when the syllabus has no such exercise, or the student no such sortie
    """
    require_coach(by)
    if code not in {one.code for one in syllabus.exercises(db)}:
        raise NotFound('exercise')
    if sortie_id is not None:
        sortie = db.get(Sortie, sortie_id)
        if sortie is None or sortie.student_id != student.id:
            raise NotFound('sortie')
    row = ExerciseNote(
        school_id=student.school_id,
        student_id=student.id,
        code=code,
        noted=noted,
        noted_on=on,
        noted_by=by.id,
        sortie_id=sortie_id,
        words=words,
    )
    db.add(row)
    db.commit()
    return row


def take_note_back(db: Session, student: User, note_id: int, *, by: User) -> None:
    """Take back a note of an exercise."""
    require_coach(by)
    row = db.get(ExerciseNote, note_id)
    if row is None or row.student_id != student.id or row.removed_at is not None:
        raise NotFound('note')
    row.removed_at = datetime.now(UTC)
    db.commit()


def notes_of(db: Session, student: User, *, most: int = 60) -> Sequence[ExerciseNote]:
    """The latest notes of a student's exercises."""
    query = (
        select(ExerciseNote)
        .where(
            ExerciseNote.school_id == student.school_id,
            ExerciseNote.student_id == student.id,
            ExerciseNote.removed_at.is_(None),
        )
        .order_by(ExerciseNote.noted_on.desc(), ExerciseNote.id.desc())
        .limit(most)
    )
    return db.scalars(query).all()


def signed_of(db: Session, student: User) -> list[SignOff]:
    """What was signed of a student and still holds, oldest first; what a later entry corrects is left out."""
    query = (
        select(SignOff)
        .where(SignOff.school_id == student.school_id, SignOff.student_id == student.id)
        .order_by(SignOff.signed_at, SignOff.id)
    )
    rows = db.scalars(query).all()
    corrected: set[uuid.UUID | None] = {row.corrects for row in rows}
    return [row for row in rows if row.id not in corrected and row.kind != 'correction']


def stage_of(signed: Sequence[SignOff], *, today: date) -> str:
    """How far a student has come, by what was signed; in words."""
    if any(one.kind == 'recommendation' for one in signed):
        return 'Recommended for the test.'
    solos = [one for one in signed if one.kind == 'first_solo']
    if not solos:
        return 'No first solo has been signed here.'
    until = max((one.valid_until for one in solos if one.valid_until is not None), default=None)
    if until is None or until < today:
        return 'Has flown alone; the signature for it has run out.'
    return f'Flies alone on a signature that holds until {until:%-d %b %Y}.'


def currency_of(db: Session, student: User, *, school: School, today: date) -> tuple[Currency, ...]:
    """The school's rules of recent experience, met or not, from the laps."""
    query = (
        select(Lap.flown_at, Lap.outcome, RunwayEnd.threshold_lat_deg, RunwayEnd.threshold_lon_deg)
        .join(RunwayEnd, RunwayEnd.id == Lap.runway_end_id)
        .where(
            RunwayEnd.school_id == student.school_id,
            Lap.school_id == student.school_id,
            Lap.student_id == student.id,
            Lap.removed_at.is_(None),
            Lap.flown_at >= datetime.combine(today - _CURRENCY_BACK, datetime.min.time(), UTC),
            Lap.outcome.in_(('full_stop', 'touch_and_go', 'stop_and_go')),
            func.coalesce(Lap.flown_by, 'student') == 'student',
        )
        .order_by(Lap.flown_at.desc())
        .limit(_CURRENCY_LAPS)
    )
    by_night = any(rule.counts == 'night_full_stop' for rule in RULES if rule.code in school.currency_rules)
    landed = []
    for flown_at, outcome, lat_deg, lon_deg in db.execute(query):
        full_stop = outcome != 'touch_and_go'
        # the sun is asked only where a rule asks for night
        night = by_night and full_stop and is_night(lat_deg=lat_deg, lon_deg=lon_deg, at=flown_at)
        landed.append(Landed(on=flown_at.date(), landings=1, full_stops=int(full_stop), night_full_stops=int(night)))
    by_code = {rule.code: rule for rule in RULES}
    asked = [by_code[code] for code in school.currency_rules if code in by_code]
    return tuple(currency(landed, rule=rule, today=today) for rule in asked)


def next_booking(db: Session, student: User, *, person: User, today: date) -> Any:
    """The student's next planned sortie, as a list shows it; None without one."""
    wanted = Wanted(student_id=student.id, first_day=today, state='planned', oldest_first=True)
    rows = sortielist.page(db, person, wanted, most=1).rows
    return rows[0] if rows else None


def exercise_of(db: Session, code: str) -> Exercise:
    """An exercise of the school by its code, retired ones too.

    :raises NotFound: when there is none
    """
    for one in syllabus.exercises(db, retired_too=True):
        if one.code == code:
            return one
    raise NotFound('exercise')
