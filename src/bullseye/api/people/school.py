"""What the school sets for all its sorties, and the limits of its people."""

from __future__ import annotations

import os
from datetime import UTC, date, datetime
from typing import Annotated, Any, Literal

from apiflask import APIBlueprint
from flask import request
from flask.typing import ResponseReturnValue
from flask_login import login_required
from pydantic import MISSING, AwareDatetime, Field, StringConstraints

from bullseye.api.context import database, person
from bullseye.api.flying.days import QueryId
from bullseye.api.limiter import limiter
from bullseye.api.people.session import PersonOut, Role
from bullseye.api.schema import In, Out, Secret, Text
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.limits import AimStepFt, CeilingFt, CrosswindLimitKt, VisibilityM
from bullseye.store.errors import NotAllowed
from bullseye.store.people import accounts, deeds, joining, secondfactor
from bullseye.store.rows.people import User
from bullseye.store.whole import erasing
from bullseye.store.whole.backups import last_backup

bp = APIBlueprint('school', __name__, url_prefix='/api', tag='School')


RuleCode = Literal['three_in_90', 'three_full_stop', 'three_by_night', 'five_in_six_months']


class SchoolOut(Out):
    """Settings of the school."""

    name: str
    crosswind_limit_kt: float | None
    aim_step_ft: float
    least_ceiling_ft: float
    least_visibility_m: float
    needed_chance: float  # of one landing to meet a standard
    stale_days: int  # after which an exercise is flown again
    currency_rules: list[str]
    second_factor: secondfactor.Whom  # asked of whom when signing in


class SchoolChange(In):
    """What to set; what is left out stays. No crosswind limit of the school is null."""

    crosswind_limit_kt: CrosswindLimitKt | MISSING | None = MISSING
    aim_step_ft: AimStepFt | MISSING = MISSING
    told_model_version: Annotated[str, StringConstraints(pattern='^[0-9]{1,7}$')] | MISSING = MISSING  # has been read
    least_ceiling_ft: CeilingFt | MISSING = MISSING  # cloud lower, or sight shorter, and no lap is planned
    least_visibility_m: VisibilityM | MISSING = MISSING
    needed_chance: Annotated[float, Field(ge=0.5, le=0.95)] | MISSING = MISSING
    stale_days: Annotated[int, Field(ge=7, le=365)] | MISSING = MISSING
    currency_rules: Annotated[list[RuleCode], Field(max_length=4)] | MISSING = MISSING
    second_factor: secondfactor.Whom | MISSING = MISSING


class ErasedOut(Out):
    """What went, what is kept by law, and until when."""

    gone: list[str]
    kept: list[str]
    named_in: list[str]  # words of others that name the person still, to be put right by hand
    keep_until: date | None


class PersonChange(In):
    """What changes of a person: a limit (null is none of their own), and by the chief name, role, leaving, coming."""

    crosswind_limit_kt: CrosswindLimitKt | MISSING | None = MISSING
    name: Text | MISSING = MISSING
    role: Role | MISSING = MISSING
    is_active: bool | MISSING = MISSING


class LinkOut(Out):
    """A link that is shown once."""

    name: str
    link: str
    hours: int


class InvitationLine(Out):
    """An invitation, or a link to set a password anew, that still works."""

    id: int
    name: str
    role: Role
    expires_at: AwareDatetime
    is_for_password: bool


class InvitationsOut(Out):
    """What still works."""

    invitations: list[InvitationLine]


class DeedsAsked(In):
    """What of, and from where on."""

    what: deeds.What | None = None
    before: QueryId | None = None


class DeedOut(Out):
    """Something that somebody did."""

    id: int
    done_at: AwareDatetime
    by_name: str
    what: deeds.What
    words: str


class DeedsOut(Out):
    """Deeds, latest first; ``before`` asks for those that went before."""

    deeds: list[DeedOut]
    before: int | None


@bp.get('/school')
@login_required
@bp.output(SchoolOut)
@bp.doc(responses=[401])
def read_school() -> SchoolOut:
    """Tell what the school sets."""
    return SchoolOut.model_validate(joining.school_of(database(), person()))


@bp.patch('/school')
@login_required
@bp.input(SchoolChange)
@bp.output(SchoolOut)
@bp.doc(responses=[401, 403])
def change_school(json_data: SchoolChange) -> SchoolOut:
    """Set the school's limits and minima, and how far one lap may move the aim point; chief only."""
    changes = json_data.model_dump()
    return SchoolOut.model_validate(joining.change_school(database(), by=person(), changes=changes))


class ErasureIn(In):
    """Who asks to be erased, by name, and the chief's own password."""

    name: Annotated[str, StringConstraints(max_length=80)]
    password: Secret


@bp.post('/people/<int:person_id>/erasure')
@limiter.limit('10 per minute')
@login_required
@bp.input(ErasureIn)
@bp.output(ErasedOut)
@bp.doc(responses=[401, 403, 404, 409, 422, 429])
def erase_person(person_id: int, json_data: ErasureIn) -> Any:
    """Erase a person who asked for it, for good; what is kept, and until when, is told."""
    given = json_data
    return erasing.erase(database(), person_id, by=person(), password=given.password, name=given.name)


@bp.patch('/people/<int:person_id>')
@login_required
@bp.input(PersonChange)
@bp.output(PersonOut)
@bp.doc(responses=[401, 403, 404, 409, 422])
def change_person(person_id: int, json_data: PersonChange) -> PersonOut:
    """Set a student's own crosswind limit; as chief also rename somebody, change their role, let them leave, return."""
    db = database()
    given = json_data.model_dump()
    if not given:
        raise InvalidInput('person', 'nothing', 'something to change')
    found = None
    if given.keys() - {'crosswind_limit_kt'}:
        wanted = {name: given.get(name) for name in ('name', 'role', 'is_active')}
        found = accounts.change_person(db, person_id, by=person(), **wanted)
    if 'crosswind_limit_kt' in given:
        limit_kt = given['crosswind_limit_kt']
        found = joining.set_crosswind_limit(db, by=person(), person_id=person_id, limit_kt=limit_kt)
    return PersonOut.model_validate(found)


@bp.post('/people/<int:person_id>/password-link')
@login_required
@bp.output(LinkOut, status_code=201)
@bp.doc(responses=[401, 403, 404, 409])
def make_password_link(person_id: int) -> LinkOut:
    """Make a link by which somebody sets their password anew, once."""
    db = database()
    token = accounts.reset_link(db, person_id, by=person())
    name = db.get_one(User, person_id).name
    return LinkOut(name=name, link=f'{request.host_url}reset#{token}', hours=accounts.HOURS)


class LeftOut(Out):
    """People who have left, or who came with an archive and have no password yet; the erased are not among them."""

    people: list[PersonOut]


@bp.get('/people/left')
@login_required
@bp.output(LeftOut)
@bp.doc(responses=[401, 403])
def list_left() -> dict[str, Any]:
    """List who has left, for the chief."""
    return {'people': list(accounts.left(database(), by=person()))}


@bp.get('/invitations')
@login_required
@bp.output(InvitationsOut)
@bp.doc(responses=[401, 403])
def list_invitations() -> dict[str, Any]:
    """List invitations and links that still work."""
    rows = accounts.open_invitations(database(), by=person())
    names = ('id', 'name', 'role', 'expires_at')
    return {
        'invitations': [
            {**{name: getattr(row, name) for name in names}, 'is_for_password': row.person_id is not None}
            for row in rows
        ]
    }


@bp.delete('/invitations/<int:invitation_id>')
@login_required
@bp.output({}, status_code=204)
@bp.doc(responses=[401, 403, 404])
def withdraw_invitation(invitation_id: int) -> ResponseReturnValue:
    """Let an invitation or a link work no longer."""
    accounts.withdraw(database(), invitation_id, by=person())
    return '', 204


class BackupOut(Out):
    """The newest backup; ``is_seen`` is false where this server does not see any being made."""

    is_seen: bool
    made_at: AwareDatetime | None
    size: int | None
    kept: int
    is_old: bool


@bp.get('/backup')
@login_required
@bp.output(BackupOut)
@bp.doc(responses=[401, 403])
def read_backup() -> BackupOut:
    """Tell the chief when the school was last backed up."""
    if person().role != 'chief':
        raise NotAllowed('only the chief instructor sees this')
    found = last_backup(os.environ.get('BULLSEYE_BACKUPS', ''), now=datetime.now(UTC))
    return BackupOut.model_validate(found)


@bp.get('/deeds')
@login_required
@bp.input(DeedsAsked, location='query')
@bp.output(DeedsOut)
@bp.doc(responses=[401, 403])
def read_deeds(query_data: DeedsAsked) -> dict[str, Any]:
    """Read who did what, for the chief; nothing of it can be changed."""
    rows, before = deeds.page(database(), by=person(), what=query_data.what, before=query_data.before)
    return {'deeds': list(rows), 'before': before}
