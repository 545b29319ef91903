"""The school's fields: entered, changed and exchanged as GeoJSON, imported from open runway tables."""

from __future__ import annotations

from datetime import UTC, datetime
from typing import Annotated, Any, Literal

from apiflask import APIBlueprint
from flask_login import login_required
from pydantic import BaseModel, ConfigDict, Field, StringConstraints

from bullseye.api.context import database, person, seen_revision
from bullseye.api.equipment.catalogue import AirfieldOut, airfield_out
from bullseye.api.schema import In, Out
from bullseye.core.exchange.runwaycsv import read_runway_table
from bullseye.store.equipment import catalogue, editing
from bullseye.store.people.roles import require_coach

bp = APIBlueprint('fields', __name__, url_prefix='/api/airfields', tag='Fields')


class FeatureCollection(BaseModel):
    """A field as GeoJSON [RFC 7946]: a point of kind airfield, a line of kind runway each, points of kind mark."""

    model_config = ConfigDict(extra='allow')
    type: Literal['FeatureCollection']
    features: Annotated[list[dict[str, Any]], Field(max_length=200)]


class AirfieldIn(In):
    """A field to keep."""

    geojson: FeatureCollection


class RunwayTableIn(In):
    """An open runway table as CSV."""

    text: Annotated[str, StringConstraints(min_length=1, max_length=200_000)]


class FoundField(Out):
    """A field of a table, ready to be looked at and kept."""

    ident: str
    runways: int
    geojson: FeatureCollection
    asked: list[str]  # what the table leaves open or contradicts


class RunwayTableOut(Out):
    """What a table holds."""

    fields: list[FoundField]
    left_out: list[str]


@bp.post('')
@login_required
@bp.input(AirfieldIn)
@bp.output(AirfieldOut, status_code=201)
@bp.doc(responses=[401, 403])
def enter_airfield(json_data: AirfieldIn) -> Any:
    """Enter a field."""
    today = datetime.now(UTC).date()
    data = json_data.geojson.model_dump()
    return airfield_out(editing.keep_airfield(database(), by=person(), geojson=data, on=today))


@bp.put('/<int:airfield_id>')
@login_required
@bp.input(AirfieldIn)
@bp.output(AirfieldOut)
@bp.doc(responses=[401, 403, 404, 409, 428])
def change_airfield(airfield_id: int, json_data: AirfieldIn) -> Any:
    """Change a field; ends that are gone stay readable in past sorties."""
    today = datetime.now(UTC).date()
    data = json_data.geojson.model_dump()
    return airfield_out(
        editing.keep_airfield(database(), by=person(), geojson=data, on=today, row_id=airfield_id, seen=seen_revision())
    )


@bp.get('/<int:airfield_id>/geojson')
@login_required
@bp.output(FeatureCollection)
@bp.doc(responses=[401, 404])
def read_geojson(airfield_id: int) -> dict[str, Any]:
    """Take a field out as GeoJSON."""
    return editing.geojson_of(catalogue.airfield(database(), airfield_id))


@bp.post('/table')
@login_required
@bp.input(RunwayTableIn)
@bp.output(RunwayTableOut)
@bp.doc(responses=[401, 403])
def read_table(json_data: RunwayTableIn) -> dict[str, Any]:
    """Read an open runway table; nothing is written."""
    require_coach(person())
    table = read_runway_table(json_data.text)
    return {
        'fields': [
            {
                'ident': ident,
                'runways': len(lines),
                'geojson': _collection(ident, lines),
                'asked': list(table.asked.get(ident, ())),
            }
            for ident, lines in table.by_field.items()
        ],
        'left_out': list(table.left_out[:100]),
    }


def _collection(ident: str, lines: list[dict[str, Any]]) -> dict[str, Any]:
    lon, lat = lines[0]['geometry']['coordinates'][0]
    point = {
        'type': 'Feature',
        'geometry': {'type': 'Point', 'coordinates': [lon, lat]},
        'properties': {
            'kind': 'airfield',
            'name': ident,
            'ident': ident,
            'elevation_ft': max(end['elevation_ft'] for line in lines for end in line['properties']['ends']),
        },
    }
    return {'type': 'FeatureCollection', 'features': [point, *lines]}
