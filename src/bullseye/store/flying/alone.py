"""What a student who flies alone has leave for: the latest solo sign-off that holds."""

from __future__ import annotations

from datetime import date
from typing import Any, TypedDict

from sqlalchemy import select
from sqlalchemy.orm import Session, aliased

from bullseye.core.basis.kinds import SignedState
from bullseye.store.rows.equipment import RunwayEnd
from bullseye.store.rows.flying import Sortie
from bullseye.store.rows.record import SignOff


class Signed(TypedDict):
    """Of a solo sign-off, as a brief is asked with."""

    signed_wind_kt: float | None
    signed_crosswind_kt: float | None
    signed_state: SignedState


def signed_of(
    db: Session, *, school_id: int, student_id: int, on: date, field: str, ident: str | None = None
) -> Signed:
    """The solo sign-off of a student, for one day and place; a corrected one no longer holds.

    :param ident: of the runway; None where it is not chosen yet
    """
    later = aliased(SignOff)
    query = (
        select(SignOff)
        .where(
            SignOff.school_id == school_id,
            SignOff.student_id == student_id,
            SignOff.kind == 'first_solo',
            ~select(later.id).where(later.school_id == school_id, later.corrects == SignOff.id).exists(),
        )
        .order_by(SignOff.signed_at.desc())
        .limit(1)
    )
    row = db.scalar(query)
    if row is None:
        return Signed(signed_wind_kt=None, signed_crosswind_kt=None, signed_state='none')
    limits: dict[str, Any] = row.evidence.get('limits', {})
    state: SignedState = 'holds'
    if row.valid_until is not None and on > row.valid_until:
        state = 'expired'
    elif limits.get('field') and not _names(str(limits['field']), field, ident):
        state = 'elsewhere'
    return Signed(
        signed_wind_kt=limits.get('wind_limit_kt'),
        signed_crosswind_kt=limits.get('crosswind_limit_kt'),
        signed_state=state,
    )


def signed_for(db: Session, sortie: Sortie, end: RunwayEnd) -> Signed:
    """The solo sign-off of a sortie's student for its day, at a runway."""
    return signed_of(
        db,
        school_id=sortie.school_id,
        student_id=sortie.student_id,
        on=sortie.planned_on,
        field=end.airfield.name,
        ident=end.ident,
    )


def _names(words: str, field: str, ident: str | None) -> bool:
    """Whether the words of a sign-off name a field, and its runway where they name any."""
    rest = words.casefold()
    if field.casefold() not in rest:
        return False
    runways = {word.strip('.,;/()') for word in rest.replace(field.casefold(), ' ').replace('/', ' ').split()}
    named = {word.upper() for word in runways if word[:1].isdigit()}
    return ident is None or not named or ident.upper() in named
