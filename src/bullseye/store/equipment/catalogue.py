"""What a sortie chooses from: aircraft, fields, standards and techniques, and their way into the core."""

from __future__ import annotations

import json
from collections.abc import Sequence
from functools import lru_cache
from typing import Any

from pydantic import TypeAdapter
from sqlalchemy import select
from sqlalchemy.orm import Session, selectinload

from bullseye.core.air.geo import RunwayFrame
from bullseye.core.brief.plan import PlacedMark
from bullseye.core.given.aircraft import Aircraft as CoreAircraft
from bullseye.core.given.airfield import Airfield as CoreAirfield
from bullseye.core.given.airfield import GroundMark
from bullseye.core.given.airfield import RunwayEnd as CoreRunwayEnd
from bullseye.core.given.standards import BUILT_IN
from bullseye.core.given.standards import Standard as CoreStandard
from bullseye.core.given.technique import Technique as CoreTechnique
from bullseye.store.errors import NotFound
from bullseye.store.rows.equipment import Aircraft, Airfield, RunwayEnd, Standard, Technique
from bullseye.store.rows.people import School

_AIRCRAFT = TypeAdapter(CoreAircraft)
_RUNWAY_END = TypeAdapter(CoreRunwayEnd)
_STANDARD = TypeAdapter(CoreStandard)
_TECHNIQUE = TypeAdapter(CoreTechnique)
_MARKS = TypeAdapter(tuple[GroundMark, ...])


# many rows choose the same few aircraft and runways, so each is built from its text once
_aircraft = lru_cache(256)(_AIRCRAFT.validate_json)
_runway_end = lru_cache(1024)(_RUNWAY_END.validate_json)


# what a new school starts with
TECHNIQUES = {
    'Bullseye default': CoreTechnique(),
    'Printed speeds': CoreTechnique(gust_allowance='none', weight_scaling=False),
    'Idle, shift, flare': CoreTechnique(roundout_order='idle_shift_flare'),
    'Gradual from the threshold': CoreTechnique(roundout_order='gradual_from_threshold'),
}


def aircraft_of(row: Aircraft) -> CoreAircraft:
    """The core's aircraft of a row."""
    return _aircraft(json.dumps(row.spec))


def runway_of(row: RunwayEnd) -> CoreRunwayEnd:
    """The core's runway end of a row."""
    return _runway_end(json.dumps(row.spec))


def frame_of(row: RunwayEnd) -> RunwayFrame:
    """The axes from which touchdowns on a runway end are measured."""
    return RunwayFrame(
        threshold_lat_deg=row.threshold_lat_deg,
        threshold_lon_deg=row.threshold_lon_deg,
        course_deg_true=runway_of(row).course_deg_true,
    )


def standard_of(row: Standard) -> CoreStandard:
    """The core's standard of a row."""
    return _STANDARD.validate_python(row.spec)


def technique_of(row: Technique) -> CoreTechnique:
    """The core's technique of a row; a choice that came later than the row takes its default."""
    return _TECHNIQUE.validate_python(row.spec)


def airfield_of(row: Airfield) -> CoreAirfield:
    """The core's airfield of a row, with all its ends."""
    ends = [end for end in row.ends if end.removed_at is None]
    first = ends[0]
    return CoreAirfield(
        ident=row.ident,
        latitude_deg=first.threshold_lat_deg,
        longitude_deg=first.threshold_lon_deg,
        ends=tuple(runway_of(end) for end in ends),
        pattern_altitude_ft=row.pattern_altitude_ft,
        name=row.name,
    )


def marks_of(row: Airfield) -> tuple[GroundMark, ...]:
    """The ground marks of a field."""
    return _MARKS.validate_python(row.marks)


def placed_marks(row: Airfield, end: RunwayEnd) -> tuple[PlacedMark, ...]:
    """The ground marks of a field in the frame of one of its ends."""
    frame, found = frame_of(end), []
    for mark in marks_of(row):
        along_ft, lateral_ft = frame.locate(lat_deg=mark.latitude_deg, lon_deg=mark.longitude_deg)
        found.append(PlacedMark(name=mark.name, use=mark.use, along_ft=along_ft, lateral_ft=lateral_ft))
    return tuple(found)


def airfield(db: Session, airfield_id: int) -> Airfield:
    """A field of the bound school.

    :raises NotFound: when it has none of that number
    """
    found = db.get(Airfield, airfield_id) if 0 < airfield_id < 2**31 else None
    if found is None or not any(end.removed_at is None for end in found.ends):
        raise NotFound('airfield')
    return found


def aircraft(db: Session, aircraft_id: int) -> Aircraft:
    """An aircraft of the bound school.

    :raises NotFound: when it has none of that number
    """
    found = db.get(Aircraft, aircraft_id) if 0 < aircraft_id < 2**31 else None
    if found is None:
        raise NotFound('aircraft')
    return found


def spec_of(thing: CoreAircraft | CoreRunwayEnd | CoreStandard | CoreTechnique) -> dict[str, Any]:
    """Plain data of a core object, as it is kept."""
    found: dict[str, Any] = TypeAdapter(type(thing)).dump_python(thing, mode='json')
    return found


def all_aircraft(db: Session) -> Sequence[Aircraft]:
    """Aircraft of the bound school."""
    return db.scalars(select(Aircraft).where(Aircraft.removed_at.is_(None)).order_by(Aircraft.id)).all()


def all_airfields(db: Session) -> Sequence[Airfield]:
    """Fields of the bound school with their runway ends."""
    query = select(Airfield).where(Airfield.removed_at.is_(None)).options(selectinload(Airfield.ends))
    return db.scalars(query.order_by(Airfield.id)).all()


def all_standards(db: Session) -> Sequence[Standard]:
    """Standards of the bound school."""
    return db.scalars(select(Standard).where(Standard.removed_at.is_(None)).order_by(Standard.id)).all()


def all_techniques(db: Session) -> Sequence[Technique]:
    """Techniques of the bound school."""
    return db.scalars(select(Technique).where(Technique.removed_at.is_(None)).order_by(Technique.id)).all()


def add_built_in(db: Session, school: School) -> None:
    """Give a new school the built-in standards and techniques."""
    for standard in BUILT_IN.values():
        row = Standard(school_id=school.id, name=standard.name, spec=spec_of(standard), is_built_in=True)
        db.add(row)
    for name, technique in TECHNIQUES.items():
        db.add(Technique(school_id=school.id, name=name, spec=spec_of(technique), is_built_in=True))
    db.flush()
