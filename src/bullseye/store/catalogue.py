"""What a sortie chooses from: aircraft, fields, standards and techniques, and their way into the core."""

from __future__ import annotations

import json
from collections.abc import Sequence
from functools import lru_cache
from typing import Any

from pydantic import TypeAdapter
from sqlalchemy import select
from sqlalchemy.orm import Session, selectinload

from bullseye.core.aircraft import Aircraft as CoreAircraft
from bullseye.core.airfield import RunwayEnd as CoreRunwayEnd
from bullseye.core.standards import BUILT_IN
from bullseye.core.standards import Standard as CoreStandard
from bullseye.core.technique import Technique as CoreTechnique
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


def technique_of(row: Technique) -> CoreTechnique:
    """The core's technique of a row."""
    return _technique(row.gust_allowance, row.weight_scaling, row.roundout_order)


@lru_cache
def _technique(gust_allowance: str, weight_scaling: bool, roundout_order: str) -> CoreTechnique:
    settings: dict[str, Any] = {
        'gust_allowance': gust_allowance,
        'weight_scaling': weight_scaling,
        'roundout_order': roundout_order,
    }
    return TypeAdapter(CoreTechnique).validate_python(settings)


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
