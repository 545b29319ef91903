"""Aircraft, fields, standards and techniques: entered, changed, taken out of use and brought back.

Nothing that a past sortie used is lost: what is removed is only no longer offered. Laps keep the brief they were flown
by, so changing an aircraft changes the next brief and no past score.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from datetime import UTC, date, datetime
from typing import Any, TypeVar

from pydantic import TypeAdapter
from sqlalchemy import select
from sqlalchemy.orm import Session

from bullseye.core.basis.constants import PATTERN_HEIGHT_FT
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.exchange.geojson import (
    airfield_from_geojson,
    airfield_to_geojson,
    marks_from_geojson,
    thresholds_from_geojson,
)
from bullseye.core.given.aircraft import Aircraft as CoreAircraft
from bullseye.core.given.aircraft import require_flyable_speeds
from bullseye.core.given.airfield import GroundMark
from bullseye.core.given.standards import Standard as CoreStandard
from bullseye.core.given.technique import Technique as CoreTechnique
from bullseye.store.equipment import catalogue
from bullseye.store.errors import ChangedMeanwhile, Conflict, NotAllowed, NotFound
from bullseye.store.people import deeds
from bullseye.store.people.roles import require_coach
from bullseye.store.rows.equipment import Aircraft, Airfield, RunwayEnd, Standard, Technique
from bullseye.store.rows.people import User

_Row = TypeVar('_Row', Aircraft, Airfield, Standard, Technique)
_MARKS = TypeAdapter(list[GroundMark])


def _find(db: Session, model: type[_Row], row_id: int) -> _Row:
    row = db.get(model, row_id, with_for_update=True) if 0 < row_id < 2**31 else None
    if row is None:
        raise NotFound(model.__tablename__)
    return row


def _to_change(db: Session, model: type[_Row], row_id: int, *, seen: int | None) -> _Row:
    """A row that is about to be changed, when it is still as it was seen; None: whoever changes it did not say.

    :raises ChangedMeanwhile: when somebody else has changed it since
    """
    row = _find(db, model, row_id)
    if seen is not None and row.revision != seen:
        now = geojson_of(row) if isinstance(row, Airfield) else row.spec
        raise ChangedMeanwhile(
            f'{row.name} was changed by somebody else while you had it open.',
            {'revision': row.revision, 'name': row.name, 'spec': now},
        )
    row.revision += 1
    return row


def _require_free_name(db: Session, model: type[_Row], name: str, *, but: int | None) -> None:
    other = db.scalar(select(model).where(model.name == name))
    if other is not None and other.id != but:
        gone = ' (one that was removed; bring it back, or choose another name)' if other.removed_at else ''
        raise InvalidInput('name', name, f'a name the school does not use yet{gone}')


def _require_chief(by: User) -> None:
    if by.role != 'chief':
        raise NotAllowed('only the chief instructor may do this')


def _require_own(row: Standard | Technique) -> None:
    if row.is_built_in:
        raise Conflict('this one is built in and stays as it is; change a copy of it')


def keep_aircraft(
    db: Session, *, by: User, spec: CoreAircraft, row_id: int | None = None, seen: int | None = None
) -> Aircraft:
    """Enter an aircraft, or change one.

    :raises InvalidInput: when the name is taken, or a speed is one that nobody should fly
    :raises NotAllowed: for a student
    """
    require_coach(by)
    require_flyable_speeds(spec)
    row = Aircraft(school_id=by.school_id) if row_id is None else _to_change(db, Aircraft, row_id, seen=seen)
    _require_free_name(db, Aircraft, spec.name, but=row_id)
    row.name, row.spec = spec.name, catalogue.spec_of(spec)
    db.add(row)
    db.commit()
    return row


def keep_standard(
    db: Session, *, by: User, spec: CoreStandard, row_id: int | None = None, seen: int | None = None
) -> Standard:
    """Enter a standard of the school, or change one of its own; the built-in ones stay.

    :raises NotAllowed: for anybody but the chief instructor
    """
    _require_chief(by)
    row = Standard(school_id=by.school_id) if row_id is None else _to_change(db, Standard, row_id, seen=seen)
    if row_id is not None:
        _require_own(row)
    _require_free_name(db, Standard, spec.name, but=row_id)
    row.name, row.spec = spec.name, catalogue.spec_of(spec)
    db.add(row)
    deeds.note(db, by, 'standards', f'{"Entered" if row_id is None else "Changed"} the standard {spec.name}.')
    db.commit()
    return row


def keep_technique(
    db: Session, *, by: User, name: str, spec: CoreTechnique, row_id: int | None = None, seen: int | None = None
) -> Technique:
    """Enter a technique, or change one that is not built in.

    :raises NotAllowed: for a student
    """
    require_coach(by)
    row = Technique(school_id=by.school_id) if row_id is None else _to_change(db, Technique, row_id, seen=seen)
    if row_id is not None:
        _require_own(row)
    _require_free_name(db, Technique, name, but=row_id)
    row.name, row.spec = name, catalogue.spec_of(spec)
    db.add(row)
    db.commit()
    return row


def make_mine(db: Session, *, by: User, technique_id: int) -> None:
    """Let an instructor's new sorties start with a technique.

    :raises NotFound: when the school has none of that number
    """
    require_coach(by)
    row = _find(db, Technique, technique_id)
    if row.removed_at is not None:
        raise NotFound('technique')
    by.technique_id = row.id
    db.commit()


def keep_airfield(
    db: Session, *, by: User, geojson: Mapping[str, Any], on: date, row_id: int | None = None, seen: int | None = None
) -> Airfield:
    """Enter a field given as GeoJSON, or change one; ends that are no longer in it are taken out of use.

    :raises InvalidInput: naming the wrong member
    :raises NotAllowed: for a student
    """
    require_coach(by)
    core = airfield_from_geojson(geojson, on=on)
    marks = marks_from_geojson(geojson)
    placed = thresholds_from_geojson(geojson, core)
    row = Airfield(school_id=by.school_id) if row_id is None else _to_change(db, Airfield, row_id, seen=seen)
    name = core.name or core.ident
    _require_free_name(db, Airfield, name, but=row_id)
    elevation_ft = max(end.elevation_ft for end in core.ends)
    row.name, row.ident, row.elevation_ft = name, core.ident, elevation_ft
    row.pattern_altitude_ft = (
        elevation_ft + PATTERN_HEIGHT_FT if core.pattern_altitude_ft is None else core.pattern_altitude_ft
    )
    row.marks = _MARKS.dump_python(list(marks), mode='json')
    db.add(row)
    db.flush()
    known = {end.ident: end for end in row.ends}
    for spec, lat_deg, lon_deg in placed:
        end = known.pop(spec.ident, None)
        if end is None:
            end = RunwayEnd(school_id=row.school_id, airfield_id=row.id, ident=spec.ident)
            row.ends.append(end)
        end.threshold_lat_deg, end.threshold_lon_deg = lat_deg, lon_deg
        end.spec, end.removed_at = catalogue.spec_of(spec), None
    for gone in known.values():
        gone.removed_at = gone.removed_at or datetime.now(UTC)
    db.commit()
    return row


def geojson_of(row: Airfield) -> dict[str, Any]:
    """A field as GeoJSON, with the ends in use and its ground marks."""
    return airfield_to_geojson(
        name=row.name,
        ident=row.ident,
        elevation_ft=row.elevation_ft,
        pattern_altitude_ft=row.pattern_altitude_ft,
        ends=[
            (catalogue.runway_of(end), end.threshold_lat_deg, end.threshold_lon_deg)
            for end in row.ends
            if end.removed_at is None
        ],
        marks=catalogue.marks_of(row),
    )


def set_in_use(db: Session, model: type[_Row], row_id: int, *, by: User, in_use: bool) -> None:
    """Take something out of use, or bring it back; past sorties keep it either way.

    :raises Conflict: for what is built in, and for the last of its kind
    """
    if model is Standard:
        _require_chief(by)
    require_coach(by)
    row = _find(db, model, row_id)
    if isinstance(row, Standard | Technique):
        _require_own(row)
    if not in_use and len(_offered(db, model)) < 2 and row.removed_at is None:
        raise Conflict('this is the last one; enter another before taking it out of use')
    row.removed_at = None if in_use else row.removed_at or datetime.now(UTC)
    db.commit()


def _offered(db: Session, model: type[_Row]) -> Sequence[int]:
    return db.scalars(select(model.id).where(model.removed_at.is_(None))).all()
