"""What the school sets for all its sorties, and the limits of its people."""

from __future__ import annotations

from datetime import date
from typing import Annotated, Any, Literal

from apiflask import APIBlueprint
from flask_login import login_required
from pydantic import MISSING, Field, StringConstraints

from bullseye.api.context import database, person
from bullseye.api.limiter import limiter
from bullseye.api.schema import In, Out, Secret
from bullseye.api.session import PersonOut
from bullseye.core.basis.limits import AimStepFt, CeilingFt, CrosswindLimitKt, VisibilityM
from bullseye.store import erasing, people

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


class ErasedOut(Out):
    """What went, what is kept by law, and until when."""

    gone: list[str]
    kept: list[str]
    keep_until: date | None


class PersonChange(In):
    """Limits of a person; null is none of their own."""

    crosswind_limit_kt: CrosswindLimitKt | None


@bp.get('/school')
@login_required
@bp.output(SchoolOut)
@bp.doc(responses=[401])
def read_school() -> SchoolOut:
    """Tell what the school sets."""
    return SchoolOut.model_validate(people.school_of(database(), person()))


@bp.patch('/school')
@login_required
@bp.input(SchoolChange)
@bp.output(SchoolOut)
@bp.doc(responses=[401, 403])
def change_school(json_data: SchoolChange) -> SchoolOut:
    """Set the school's limits and minima, and how far one lap may move the aim point; chief only."""
    changes = json_data.model_dump()
    return SchoolOut.model_validate(people.change_school(database(), by=person(), changes=changes))


class ErasureIn(In):
    """Who asks to be erased, by name, and the chief's own password."""

    name: Annotated[str, StringConstraints(max_length=80)]
    password: Secret


def _wrong_password(reply: Any) -> bool:
    return bool(getattr(reply, 'status_code', 200) == 403)


@bp.post('/people/<int:person_id>/erasure')
@limiter.limit('10 per minute', deduct_when=_wrong_password)
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
@bp.doc(responses=[401, 403, 404])
def change_person(person_id: int, json_data: PersonChange) -> PersonOut:
    """Set a student's own crosswind limit."""
    limit_kt = json_data.crosswind_limit_kt
    return PersonOut.model_validate(
        people.set_crosswind_limit(database(), by=person(), person_id=person_id, limit_kt=limit_kt)
    )
