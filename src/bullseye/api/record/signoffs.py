"""Sign-offs: looked at before they are signed, signed with the password, corrected by later ones, and as PDF."""

from __future__ import annotations

import uuid
from datetime import UTC, date, datetime
from typing import Annotated, Any, Literal

from apiflask import APIBlueprint
from flask import Response
from flask_login import login_required
from pydantic import AwareDatetime, Field, StringConstraints

from bullseye.api.context import database, person
from bullseye.api.limiter import limiter
from bullseye.api.schema import Id, In, Note, Out, Secret, Words
from bullseye.core.record.syllabus import Exercise
from bullseye.store.people import joining
from bullseye.store.people.roles import require_coach
from bullseye.store.record import page, signing, syllabus
from bullseye.store.rows.people import User
from bullseye.store.rows.record import SignOff

bp = APIBlueprint('signoffs', __name__, url_prefix='/api/students', tag='Students')


Kind = Literal['exercise', 'first_solo', 'check_out', 'recommendation', 'correction']


class EntryIn(In):
    """What is to be signed."""

    id: uuid.UUID
    kind: Kind
    words: Words
    code: Annotated[str, StringConstraints(pattern='^[a-z0-9_]{2,40}$')] | None = None
    aircraft_id: Id | None = None
    ticked: Annotated[list[Annotated[str, StringConstraints(max_length=24)]], Field(max_length=20)] = Field(
        default_factory=list
    )
    wind_limit_kt: Annotated[float, Field(ge=0, le=60)] | None = None  # of a first solo
    crosswind_limit_kt: Annotated[float, Field(ge=0, le=60)] | None = None
    field: Note | None = None
    corrects: uuid.UUID | None = None

    def entry(self) -> signing.Entry:
        """As the store takes it."""
        limits: dict[str, float | str] = {
            name: value
            for name in ('wind_limit_kt', 'crosswind_limit_kt', 'field')
            if (value := getattr(self, name)) is not None
        }
        plain = {name: getattr(self, name) for name in ('id', 'kind', 'words', 'code', 'aircraft_id', 'corrects')}
        return signing.Entry(**plain, ticked=tuple(self.ticked), limits=limits or None)


class SignIn(EntryIn):
    """An entry with the signing instructor's own password."""

    password: Secret


class ChecklistItem(Out):
    """One thing to tick."""

    code: str
    words: str


class Warnings(Out):
    """What speaks against signing; it does not stand in the way."""

    warnings: list[str]
    checklist: list[ChecklistItem]


class SignOffOut(Out):
    """One entry that was signed."""

    id: uuid.UUID
    kind: Kind
    code: str | None
    name: str | None
    aircraft_id: int | None
    words: str
    standard: str | None
    edition: str | None
    warnings: list[str]
    ticked: list[str]
    limits: dict[str, float | str]
    valid_until: date | None
    corrects: uuid.UUID | None
    is_corrected: bool
    signed_by_name: str
    signed_at: AwareDatetime


class SignOffsOut(Out):
    """Everything that was signed, latest first."""

    signed: list[SignOffOut]


def _signed(student: User) -> list[dict[str, Any]]:
    db = database()
    rows = signing.all_of(db, student)
    corrected = {row.corrects for row in rows}
    names = {one.id: one.name for one in joining.everyone(db, left_too=True)}
    exercises = {one.code: one.name for one in _exercises()}
    return [_sign_off(row, names, exercises, is_corrected=row.id in corrected) for row in rows]


def _exercises() -> tuple[Exercise, ...]:
    return syllabus.exercises(database(), retired_too=True)


def _sign_off(row: SignOff, names: dict[int, str], exercises: dict[str, str], *, is_corrected: bool) -> dict[str, Any]:
    plain = (
        'id',
        'kind',
        'code',
        'aircraft_id',
        'words',
        'standard',
        'edition',
        'valid_until',
        'corrects',
        'signed_at',
    )
    return {
        **{name: getattr(row, name) for name in (*plain, 'signed_at')},
        'name': exercises.get(row.code or ''),
        'warnings': row.evidence.get('warnings', []),
        'ticked': row.evidence.get('ticked', []),
        'limits': row.evidence.get('limits', {}),
        'is_corrected': is_corrected,
        'signed_by_name': names.get(row.signed_by, 'somebody who has left'),
    }


@bp.get('/<int:student_id>/signoffs')
@login_required
@bp.output(SignOffsOut)
@bp.doc(responses=[401, 404])
def list_signoffs(student_id: int) -> dict[str, Any]:
    """List what was signed of a student."""
    return {'signed': _signed(page.find_student(database(), student_id, person=person()))}


@bp.post('/<int:student_id>/signoffs/look')
@login_required
@bp.input(EntryIn)
@bp.output(Warnings)
@bp.doc(responses=[401, 403, 404])
def look_before_signing(student_id: int, json_data: EntryIn) -> dict[str, Any]:
    """Tell what speaks against signing, before it is signed; nothing is written."""
    db = database()
    require_coach(person())
    student = page.find_student(db, student_id, person=person())
    known = page.record_of(db, student, today=datetime.now(UTC).date())
    lists = {'first_solo': signing.SOLO_CHECKLIST, 'check_out': signing.CHECK_OUT_LIST}
    return {
        'warnings': signing.warnings_of(known, json_data.entry()),
        'checklist': [{'code': code, 'words': words} for code, words in lists.get(json_data.kind, ())],
    }


@bp.post('/<int:student_id>/signoffs')
@limiter.limit('10 per minute')
@login_required
@bp.input(SignIn)
@bp.output(SignOffOut, status_code=201)
@bp.doc(responses=[401, 403, 404, 409, 422, 429])
def sign_off(student_id: int, json_data: SignIn) -> dict[str, Any]:
    """Sign: with one's own password, for good. A correction is a later entry."""
    db = database()
    student = page.find_student(db, student_id, person=person())
    today = datetime.now(UTC).date()
    row = signing.sign(db, student, by=person(), password=json_data.password, entry=json_data.entry(), today=today)
    return next(one for one in _signed(student) if one['id'] == row.id)


@bp.get('/<int:student_id>/signoffs.pdf')
@login_required
@bp.doc(responses={200: 'The sign-offs as PDF', 401: 'Not signed in', 404: 'No such student'})
def print_signoffs(student_id: int) -> Response:
    """Everything that was signed of a student, printed, with standard and edition."""
    from bullseye.paper.report import Section, report_pdf  # here: what draws PDF takes long to load

    student = page.find_student(database(), student_id, person=person())
    rows = tuple(
        (
            f'{one["signed_at"]:%d %b %Y %H:%M} UTC',
            f'{one["name"] or one["kind"].replace("_", " ")}{" (corrected later)" if one["is_corrected"] else ""}',
            one['words'],
            f'{one["standard"] or ""} {one["edition"] or ""}'.strip(),
            one['signed_by_name'],
            'until ' + f'{one["valid_until"]:%d %b %Y}' if one['valid_until'] else '',
        )
        for one in _signed(student)
    )
    columns = ('Signed', 'What', 'Words', 'Standard', 'By', 'Valid')
    section = Section(heading='Sign-offs', columns=columns, rows=rows, shares=(0.15, 0.19, 0.3, 0.15, 0.13, 0.08))
    notes = ('Signed with the instructor’s own password. Entries are never changed; a later one corrects an earlier.',)
    school = joining.school_of(database(), student).name
    return Response(
        report_pdf(title=f'Sign-offs of {student.name}', subtitle=school, sections=[section], notes=notes),
        mimetype='application/pdf',
        headers={'Content-Disposition': f'inline; filename="sign-offs-{student_id}.pdf"'},
    )
