"""What a sortie chooses from: aircraft, fields, standards and techniques, and their way into the core."""

from __future__ import annotations

import json
from collections.abc import Sequence
from dataclasses import fields
from functools import lru_cache
from typing import Any

from pydantic import TypeAdapter
from sqlalchemy import select
from sqlalchemy.orm import Session, selectinload

from bullseye.core.aircraft import Aircraft as CoreAircraft
from bullseye.core.airfield import Airfield as CoreAirfield
from bullseye.core.airfield import RunwayEnd as CoreRunwayEnd
from bullseye.core.standards import BUILT_IN
from bullseye.core.standards import Standard as CoreStandard
from bullseye.core.technique import Technique as CoreTechnique
from bullseye.store.errors import NotFound
from bullseye.store.models import Aircraft, Airfield, RunwayEnd, School, Standard, Technique

_AIRCRAFT = TypeAdapter(CoreAircraft)
_RUNWAY_END = TypeAdapter(CoreRunwayEnd)
_STANDARD = TypeAdapter(CoreStandard)


# many rows choose the same few aircraft and runways, so each is built from its text once
_aircraft = lru_cache(256)(_AIRCRAFT.validate_json)
_runway_end = lru_cache(1024)(_RUNWAY_END.validate_json)


def aircraft_of(row: Aircraft) -> CoreAircraft:
    """The core's aircraft of a row."""
    return _aircraft(json.dumps(row.spec))


def runway_of(row: RunwayEnd) -> CoreRunwayEnd:
    """The core's runway end of a row."""
    return _runway_end(json.dumps(row.spec))


def standard_of(row: Standard) -> CoreStandard:
    """The core's standard of a row."""
    return _STANDARD.validate_python(row.spec)


TECHNIQUE = tuple(field.name for field in fields(CoreTechnique))


def technique_settings(row: Technique) -> dict[str, Any]:
    """The settings of a technique as the core's request takes them."""
    return {name: getattr(row, name) for name in TECHNIQUE}


def airfield_of(row: Airfield) -> CoreAirfield:
    """The core's airfield of a row, with all its ends."""
    first = row.ends[0]
    return CoreAirfield(
        ident=row.ident,
        latitude_deg=first.threshold_lat_deg,
        longitude_deg=first.threshold_lon_deg,
        ends=tuple(runway_of(end) for end in row.ends),
        pattern_altitude_ft=row.pattern_altitude_ft,
    )


def airfield(db: Session, airfield_id: int) -> Airfield:
    """A field of the bound school.

    :raises NotFound: when it has none of that number
    """
    found = db.get(Airfield, airfield_id) if 0 < airfield_id < 2**31 else None
    if found is None or not found.ends:
        raise NotFound('airfield')
    return found


def spec_of(thing: CoreAircraft | CoreRunwayEnd | CoreStandard) -> dict[str, Any]:
    """Plain data of a core object, as it is kept."""
    found: dict[str, Any] = TypeAdapter(type(thing)).dump_python(thing, mode='json')
    return found


def all_aircraft(db: Session) -> Sequence[Aircraft]:
    """Aircraft of the bound school."""
    return db.scalars(select(Aircraft).order_by(Aircraft.id)).all()


def all_airfields(db: Session) -> Sequence[Airfield]:
    """Fields of the bound school with their runway ends."""
    return db.scalars(select(Airfield).options(selectinload(Airfield.ends)).order_by(Airfield.id)).all()


def all_standards(db: Session) -> Sequence[Standard]:
    """Standards of the bound school."""
    return db.scalars(select(Standard).order_by(Standard.id)).all()


def all_techniques(db: Session) -> Sequence[Technique]:
    """Techniques of the bound school."""
    return db.scalars(select(Technique).order_by(Technique.id)).all()


def add_built_in(db: Session, school: School) -> None:
    """Give a new school the built-in standards and techniques."""
    for standard in BUILT_IN.values():
        db.add(Standard(school_id=school.id, name=standard.name, spec=spec_of(standard)))
    for name, gust, scaling, order in (
        ('Bullseye default', 'half', True, 'halve_shift_idle_flare'),
        ('Printed speeds', 'none', False, 'halve_shift_idle_flare'),
        ('Idle, shift, flare', 'half', True, 'idle_shift_flare'),
        ('Gradual from the threshold', 'half', True, 'gradual_from_threshold'),
    ):
        db.add(
            Technique(school_id=school.id, name=name, gust_allowance=gust, weight_scaling=scaling, roundout_order=order)
        )
    db.flush()
