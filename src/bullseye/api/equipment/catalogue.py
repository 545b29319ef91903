"""What a sortie chooses from."""

from __future__ import annotations

from typing import Any

from apiflask import APIBlueprint
from flask_login import login_required
from sqlalchemy.orm import Session

from bullseye.api.context import database, person
from bullseye.api.people.session import PersonOut
from bullseye.api.schema import Out
from bullseye.core.given.aircraft import Aircraft
from bullseye.core.given.airfield import GroundMark, RunwayEnd
from bullseye.core.given.standards import Standard
from bullseye.core.given.technique import Technique
from bullseye.store.equipment import catalogue
from bullseye.store.people import joining
from bullseye.store.people.roles import may_coach
from bullseye.store.rows import equipment as tables
from bullseye.store.rows.people import User

bp = APIBlueprint('catalogue', __name__, url_prefix='/api', tag='Catalogue')


class AircraftOut(Out):
    """An aircraft of the school."""

    id: int
    revision: int  # to be given back as If-Match when it is changed
    name: str
    spec: Aircraft


class RunwayEndOut(Out):
    """A runway end with the place of its threshold."""

    id: int
    ident: str
    course_deg_mag: float
    threshold_lat_deg: float
    threshold_lon_deg: float
    spec: RunwayEnd


class AirfieldOut(Out):
    """A field with its runway ends."""

    id: int
    revision: int  # to be given back as If-Match when it is changed
    name: str
    ident: str
    is_fictional: bool
    elevation_ft: float
    pattern_altitude_ft: float
    ends: list[RunwayEndOut]
    marks: list[GroundMark]


class StandardOut(Out):
    """A standard the school measures against."""

    id: int
    revision: int  # to be given back as If-Match when it is changed
    name: str
    spec: Standard
    is_built_in: bool


class TechniqueOut(Out):
    """A school of thought."""

    id: int
    revision: int  # to be given back as If-Match when it is changed
    name: str
    spec: Technique
    is_built_in: bool


class CatalogueOut(Out):
    """Everything a sortie chooses from; people only for those who may plan."""

    people: list[PersonOut]
    aircraft: list[AircraftOut]
    airfields: list[AirfieldOut]
    standards: list[StandardOut]
    techniques: list[TechniqueOut]
    my_technique_id: int | None


def airfield_out(field: tables.Airfield) -> dict[str, Any]:
    """A field as it is answered: with the ends in use."""
    plain = {name: getattr(field, name) for name in AirfieldOut.model_fields if name not in ('ends', 'marks')}
    return {
        **plain,
        'marks': catalogue.marks_of(field),
        'ends': [
            {
                'id': end.id,
                'ident': end.ident,
                'course_deg_mag': catalogue.runway_of(end).course_deg_mag,
                'threshold_lat_deg': end.threshold_lat_deg,
                'threshold_lon_deg': end.threshold_lon_deg,
                'spec': end.spec,
            }
            for end in field.ends
            if end.removed_at is None
        ],
    }


@bp.get('/catalogue')
@login_required
@bp.output(CatalogueOut)
@bp.doc(responses=[401])
def read_catalogue() -> dict[str, Any]:
    """List people, aircraft, fields, standards and techniques of the school."""
    return read_catalogue_data(database(), person())


def read_catalogue_data(db: Session, by: User) -> dict[str, Any]:
    """What a person may choose from."""
    return {
        'people': joining.everyone(db) if may_coach(by) else [],
        'aircraft': catalogue.all_aircraft(db),
        'airfields': [airfield_out(field) for field in catalogue.all_airfields(db)],
        'standards': catalogue.all_standards(db),
        'techniques': catalogue.all_techniques(db),
        'my_technique_id': by.technique_id,
    }
