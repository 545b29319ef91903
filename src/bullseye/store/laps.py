"""Laps: kept once however often they are sent, removed so that they can come back."""

from __future__ import annotations

import dataclasses
import uuid
from collections.abc import Mapping, Sequence
from datetime import UTC, datetime
from typing import Any

from pydantic import TypeAdapter, ValidationError
from sqlalchemy import select
from sqlalchemy.orm import Session

from bullseye.core.brief import make_brief
from bullseye.core.calibration import FlownLap
from bullseye.core.constants import MODEL_VERSION
from bullseye.core.diagnosis import flown_lap
from bullseye.core.request import RefusedRequest, messages, request_adapter
from bullseye.store import coaching
from bullseye.store.errors import Conflict, NotFound
from bullseye.store.models import Lap, Sortie, User

_FLOWN_LAP = TypeAdapter(FlownLap)
_EDITABLE = (*coaching.MEASURED, 'wind_dir_deg_mag', 'wind_kt', 'known_by')


def of_sortie(db: Session, sortie: Sortie) -> Sequence[Lap]:
    """Laps of a sortie in the order flown."""
    query = select(Lap).where(Lap.sortie_id == sortie.id, Lap.removed_at.is_(None))
    return db.scalars(query.order_by(Lap.flown_at, Lap.id)).all()


def results(db: Session, sortie: Sortie) -> list[coaching.LapResult]:
    """Laps of a sortie, scored and explained."""
    return [coaching.result_of(lap, number=i) for i, lap in enumerate(of_sortie(db, sortie), start=1)]


def result(db: Session, sortie: Sortie, lap_id: uuid.UUID) -> coaching.LapResult:
    """One lap of a sortie, scored and explained.

    :raises NotFound: when the sortie has no such lap
    """
    for found in results(db, sortie):
        if found.lap.id == lap_id:
            return found
    raise NotFound('lap')


def keep(db: Session, sortie: Sortie, *, lap_id: uuid.UUID, by: User, values: Mapping[str, Any]) -> bool:
    """Write a lap under the id its client made; a removed one comes back.

    The brief it was flown by is fixed when it is first written: the sortie as it is, what the laps before it taught,
    and ``aim_point_ft`` if the pilot aimed elsewhere than worked out. Sending the same again changes nothing.

    The sortie must have been locked, so that laps are written one after another.

    :return: whether it is new
    :raises RefusedRequest: with a message for each wrong field
    :raises Conflict: when the id belongs to a lap of another sortie
    """
    lap = db.scalar(select(Lap).where(Lap.id == lap_id))
    is_new = lap is None
    if lap is None:
        lap = _new_lap(db, sortie, lap_id=lap_id, by=by, values=values)
    elif lap.sortie_id != sortie.id:
        raise Conflict('this lap belongs to another sortie')
    elif values.get('aim_point_ft') is not None:
        lap.request = {**lap.request, 'aim_point_ft': values['aim_point_ft']}
    for name in _EDITABLE:
        if getattr(lap, name, None) != values.get(name):
            setattr(lap, name, values.get(name))
    lap.removed_at = None
    _learn(db, lap)
    db.add(lap)
    db.commit()
    return is_new


def _new_lap(db: Session, sortie: Sortie, *, lap_id: uuid.UUID, by: User, values: Mapping[str, Any]) -> Lap:
    request = coaching.live_request(db, sortie)
    if values.get('aim_point_ft') is not None:
        request = coaching.changed_request(request, {'aim_point_ft': values['aim_point_ft']})
    else:
        request = dataclasses.replace(request, aim_point_ft=make_brief(request).recommended_aim_point_ft)
    return Lap(
        school_id=sortie.school_id,
        id=lap_id,
        sortie_id=sortie.id,
        student_id=sortie.student_id,
        aircraft_id=sortie.aircraft_id,
        flap=sortie.flap,
        flown_at=values.get('flown_at') or datetime.now(UTC),
        request=request_adapter().dump_python(request, mode='json'),
        model_version=MODEL_VERSION,
        recorded_by=by.id,
    )


def _learn(db: Session, lap: Lap) -> None:
    """Check the measured values and set aside what calibration takes from them."""
    try:
        request = request_adapter().validate_python(lap.request)
        measured = coaching.measured_of(lap, request)
    except ValidationError as error:
        db.rollback()
        raise RefusedRequest(messages(error)) from None
    flown = flown_lap(measured, request)
    lap.flown = None if flown is None else _FLOWN_LAP.dump_python(flown, mode='json')


def remove(db: Session, sortie: Sortie, lap_id: uuid.UUID) -> None:
    """Take a lap away; writing it again brings it back.

    :raises NotFound: when the sortie has no such lap
    """
    lap = db.scalar(select(Lap).where(Lap.id == lap_id, Lap.sortie_id == sortie.id, Lap.removed_at.is_(None)))
    if lap is None:
        raise NotFound('lap')
    lap.removed_at = datetime.now(UTC)
    db.commit()
