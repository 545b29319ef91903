"""The page of a student: where they stand, what comes next, notes, sign-offs and homework."""

from __future__ import annotations

from datetime import UTC, date, datetime
from typing import Annotated, Any

from apiflask import APIBlueprint
from flask.typing import ResponseReturnValue
from flask_login import login_required
from pydantic import StringConstraints

from bullseye.api.context import database, person
from bullseye.api.flying.days import QueryId, SortieLine
from bullseye.api.flying.sortiefields import ClockTime, PlannedOn, SortieOut
from bullseye.api.schema import Id, In, Out, Words
from bullseye.core.basis.kinds import LandingKind
from bullseye.core.basis.sentence import Sentence
from bullseye.core.record.lesson import NextLesson
from bullseye.core.record.progress import KindProgress
from bullseye.core.record.readiness import Readiness
from bullseye.core.record.syllabus import ExerciseState, Group, Noted
from bullseye.core.record.tasks import TaskProgress
from bullseye.store.flying.nextflight import NextFlight
from bullseye.store.people import joining
from bullseye.store.people.roles import require_coach
from bullseye.store.record import evidence, examining, page, proposals, timeline

bp = APIBlueprint('students', __name__, url_prefix='/api/students', tag='Students')


class RecordAsked(In):
    """By which standard, and which day it is where the device stands."""

    standard_id: QueryId | None = None
    today: PlannedOn | None = None

    def day(self) -> date:
        """Today."""
        return self.today or datetime.now(UTC).date()


class StandingOut(Out):
    """One exercise of the syllabus, and where the student stands in it."""

    code: str
    name: str
    group: Group
    about: str
    needs: list[str]
    landing: LandingKind | None
    state: ExerciseState
    latest_on: date | None
    readiness: Readiness | None


class CurrencyOut(Out):
    """A rule of recent experience."""

    name: str
    source: str
    holds: bool
    until: date | None
    words: Sentence


class MarkCount(Out):
    """How often a mark was noted in a month."""

    month: str
    mark: str
    number: int


class NoteOut(Out):
    """What an instructor noted of an exercise."""

    id: int
    code: str
    noted: Noted
    noted_on: date
    noted_by_name: str
    sortie_id: int | None
    words: str | None


class LessonFor(Out):
    """The flight that a lesson is proposed for: booked, or as the last one was."""

    is_booked: bool
    aircraft: str
    place: str
    booked_min: float | None
    crosswind_kt: float | None  # of the wind as given for it; null: not known

    @classmethod
    def of(cls, flight: NextFlight) -> LessonFor:
        """Reply for a flight."""
        end = flight.sortie.runway_end
        return cls(
            is_booked=flight.is_booked,
            aircraft=flight.setting.aircraft.name,
            place=f'{end.airfield.name} {end.ident}',
            booked_min=flight.setting.booked_min,
            crosswind_kt=flight.setting.crosswind_kt,
        )


class RecordOut(Out):
    """The page of a student."""

    id: int
    name: str
    is_active: bool
    crosswind_limit_kt: float | None
    school_crosswind_limit_kt: float | None
    needed_chance: float
    stale_days: int
    standard_id: int | None
    standard: str
    edition: str
    source: str
    holds: Sentence
    holds_not: Sentence
    next: Sentence
    stage: str  # how far they have come, by what was signed
    last_flown_on: date | None
    booking: SortieLine | None
    currency: list[CurrencyOut]
    standings: list[StandingOut]
    kinds: list[KindProgress]
    tasks: list[TaskProgress]
    not_judged: list[LandingKind]
    lesson: NextLesson
    lesson_for: LessonFor | None  # what it was proposed for; null before the first sortie
    marks: list[MarkCount]
    notes: list[NoteOut]


@bp.get('/<int:student_id>')
@login_required
@bp.input(RecordAsked, location='query')
@bp.output(RecordOut)
@bp.doc(responses=[401, 404])
def read_record(student_id: int, query_data: RecordAsked) -> dict[str, Any]:
    """Read where a student stands; switching the standard judges the past anew and changes nothing."""
    db = database()
    student = page.find_student(db, student_id, person=person())
    today = query_data.day()
    found = page.record_of(db, student, today=today, standard_id=query_data.standard_id)
    school = joining.school_of(db, student)
    booking = page.next_booking(db, student, person=person(), today=today)
    names = {one.id: one.name for one in joining.everyone(db)}
    return {
        **{name: getattr(student, name) for name in ('id', 'name', 'is_active', 'crosswind_limit_kt')},
        'school_crosswind_limit_kt': school.crosswind_limit_kt,
        'needed_chance': school.needed_chance,
        'stale_days': school.stale_days,
        'standard_id': found.standard_id,
        'standard': found.standard.name,
        'edition': found.standard.edition,
        'source': found.standard.source,
        'holds': found.head.holds,
        'holds_not': found.head.holds_not,
        'next': found.head.next,
        'stage': found.stage,
        'last_flown_on': max((one.last_on for one in found.kinds), default=None),
        'booking': None if booking is None else SortieLine.of(booking),
        'currency': [
            {
                'name': one.rule.name,
                'source': one.rule.source,
                **{name: getattr(one, name) for name in ('holds', 'until', 'words')},
            }
            for one in found.currency
        ],
        'standings': [
            {
                **{name: getattr(one.exercise, name) for name in ('code', 'name', 'group', 'about', 'landing')},
                'needs': list(one.exercise.needs),
                **{name: getattr(one, name) for name in ('state', 'latest_on', 'readiness')},
            }
            for one in found.standings
        ],
        'kinds': list(found.kinds),
        'tasks': list(found.tasks),
        'not_judged': list(found.not_judged),
        'lesson': found.lesson,
        'lesson_for': None if found.flight is None else LessonFor.of(found.flight),
        'marks': [
            {'month': month, 'mark': mark, 'number': number}
            for month, mark, number in evidence.marks_by_month(db, student.school_id, student.id)
        ],
        'notes': [
            {
                **{name: getattr(one, name) for name in ('id', 'code', 'noted', 'noted_on', 'sortie_id', 'words')},
                'noted_by_name': names.get(one.noted_by, 'somebody who has left'),
            }
            for one in page.notes_of(db, student)
        ],
    }


class TimelineAsked(In):
    """From where on."""

    before: QueryId | None = None  # the number of the last sortie that was read


class TimelineLine(Out):
    """One sortie of a student, the one change it ended with, and whether it was followed."""

    sortie_id: int
    planned_on: date
    instructor_name: str
    landing: LandingKind
    laps: int
    landings: int
    measured: int  # of them, whose touchdown was marked
    hits: int
    go_arounds: int
    mean_error_ft: float | None
    spread_ft: float | None
    one_change: Sentence | None
    followed: bool | None
    notes: list[str]


class TimelineOut(Out):
    """Sorties, latest first; ``before`` asks for those that went before."""

    lines: list[TimelineLine]
    before: int | None


@bp.get('/<int:student_id>/timeline')
@login_required
@bp.input(TimelineAsked, location='query')
@bp.output(TimelineOut)
@bp.doc(responses=[401, 404])
def read_timeline(student_id: int, query_data: TimelineAsked) -> dict[str, Any]:
    """Read a student's sorties, some at a time, with the one change of each and whether it was followed."""
    db = database()
    student = page.find_student(db, student_id, person=person())
    lines, before = timeline.of_student(db, student, before=query_data.before)
    return {'lines': lines, 'before': before}


class NoteIn(In):
    """That an exercise was introduced or practised."""

    code: Annotated[str, StringConstraints(pattern='^[a-z0-9_]{2,40}$')]
    noted: Noted
    noted_on: PlannedOn
    sortie_id: Id | None = None
    words: Words | None = None


class NoteKept(Out):
    """The note that was made."""

    id: int


@bp.post('/<int:student_id>/notes')
@login_required
@bp.input(NoteIn)
@bp.output(NoteKept, status_code=201)
@bp.doc(responses=[401, 403, 404])
def note_exercise(student_id: int, json_data: NoteIn) -> NoteKept:
    """Note that an exercise was introduced or practised."""
    db = database()
    student = page.find_student(db, student_id, person=person())
    given = json_data
    row = page.note_exercise(
        db,
        student,
        by=person(),
        code=given.code,
        noted=given.noted,
        on=given.noted_on,
        sortie_id=given.sortie_id,
        words=given.words,
    )
    return NoteKept(id=row.id)


@bp.delete('/<int:student_id>/notes/<int:note_id>')
@login_required
@bp.output({}, status_code=204)
@bp.doc(responses=[401, 403, 404])
def take_note_back(student_id: int, note_id: int) -> ResponseReturnValue:
    """Take a note back."""
    db = database()
    page.take_note_back(db, page.find_student(db, student_id, person=person()), note_id, by=person())
    return '', 204


class NextSortieIn(In):
    """When the proposed lesson is flown."""

    planned_on: PlannedOn
    planned_time: ClockTime | None = None


@bp.post('/<int:student_id>/next-sortie')
@login_required
@bp.input(NextSortieIn)
@bp.output(SortieOut, status_code=201)
@bp.doc(responses=[401, 403, 404, 422])
def make_next_sortie(student_id: int, json_data: NextSortieIn) -> SortieOut:
    """Make the sortie of the next lesson: its landing, aircraft and field; the lap plan follows from the record."""
    db = database()
    student = page.find_student(db, student_id, person=person())
    given = json_data
    return SortieOut.of(
        proposals.next_sortie(db, student, by=person(), planned_on=given.planned_on, planned_time=given.planned_time)
    )


class MockTestIn(In):
    """When a mock test is flown, and by which standard; without one by that of the latest sortie."""

    planned_on: PlannedOn
    planned_time: ClockTime | None = None
    standard_id: Id | None = None


@bp.post('/<int:student_id>/mock-test')
@login_required
@bp.input(MockTestIn)
@bp.output(SortieOut, status_code=201)
@bp.doc(responses=[401, 403, 404, 422])
def make_mock_test(student_id: int, json_data: MockTestIn) -> SortieOut:
    """Make the sortie of a mock test: a lap for each task of a standard, and a go-around."""
    db = database()
    require_coach(person())
    student = page.find_student(db, student_id, person=person())
    given = json_data
    return SortieOut.of(
        examining.mock_test(
            db,
            student,
            by=person(),
            standard_id=given.standard_id,
            planned_on=given.planned_on,
            planned_time=given.planned_time,
        )
    )
