"""Homework between lessons: set, done, taken back."""

from __future__ import annotations

from datetime import date
from typing import Annotated, Literal

from apiflask import APIBlueprint
from flask.typing import ResponseReturnValue
from flask_login import login_required
from pydantic import AwareDatetime, StringConstraints

from bullseye.api.context import database, person
from bullseye.api.flying.sortiefields import PlannedOn
from bullseye.api.schema import In, Out, Words
from bullseye.store.record import homework, page

bp = APIBlueprint('homework', __name__, url_prefix='/api/students', tag='Students')


HomeworkKind = Literal['drill', 'reading', 'flow', 'calls', 'other']


class HomeworkIn(In):
    """What to do between lessons."""

    kind: HomeworkKind
    words: Words
    fault: Annotated[str, StringConstraints(pattern='^[a-z_]{2,24}$')] | None = None
    due_on: PlannedOn | None = None


class HomeworkChange(In):
    """That it is done, or that it has been seen."""

    done: bool | None = None
    seen: bool | None = None


class HomeworkOut(Out):
    """One thing to do."""

    id: int
    kind: HomeworkKind
    words: str
    fault: str | None
    due_on: date | None
    set_at: AwareDatetime
    done_at: AwareDatetime | None
    seen_at: AwareDatetime | None


class HomeworkList(Out):
    """What is open first, then the latest that is done."""

    homework: list[HomeworkOut]


@bp.get('/<int:student_id>/homework')
@login_required
@bp.output(HomeworkList)
@bp.doc(responses=[401, 404])
def list_homework(student_id: int) -> HomeworkList:
    """List a student's homework."""
    db = database()
    rows = homework.of_student(db, page.find_student(db, student_id, person=person()))
    return HomeworkList(homework=[HomeworkOut.model_validate(row) for row in rows])


@bp.post('/<int:student_id>/homework')
@login_required
@bp.input(HomeworkIn)
@bp.output(HomeworkOut, status_code=201)
@bp.doc(responses=[401, 403, 404])
def give_homework(student_id: int, json_data: HomeworkIn) -> HomeworkOut:
    """Set homework."""
    db = database()
    student = page.find_student(db, student_id, person=person())
    return HomeworkOut.model_validate(homework.give(db, student, by=person(), **json_data.model_dump()))


@bp.patch('/<int:student_id>/homework/<int:homework_id>')
@login_required
@bp.input(HomeworkChange)
@bp.output(HomeworkOut)
@bp.doc(responses=[401, 403, 404, 422])
def mark_homework(student_id: int, homework_id: int, json_data: HomeworkChange) -> HomeworkOut:
    """Say that homework is done, which the student does, or seen, which an instructor does."""
    db = database()
    student = page.find_student(db, student_id, person=person())
    row = homework.mark(db, student, homework_id, by=person(), done=json_data.done, seen=json_data.seen)
    return HomeworkOut.model_validate(row)


@bp.delete('/<int:student_id>/homework/<int:homework_id>')
@login_required
@bp.output({}, status_code=204)
@bp.doc(responses=[401, 403, 404])
def take_homework_back(student_id: int, homework_id: int) -> ResponseReturnValue:
    """Take homework back."""
    db = database()
    homework.take_back(db, page.find_student(db, student_id, person=person()), homework_id, by=person())
    return '', 204
