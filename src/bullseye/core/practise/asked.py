"""Requests for pictures and films, as they come out of JSON."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache
from typing import Annotated, Any

from annotated_types import Ge, Gt, Le
from pydantic import TypeAdapter, ValidationError

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.limits import AimFt
from bullseye.core.basis.quantity import Checked, Real
from bullseye.core.brief.request import RefusedRequest, messages, parse_request
from bullseye.core.given.aircraft import Aircraft
from bullseye.core.given.airfield import RunwayEnd
from bullseye.core.practise.film import Film, FilmRequest, make_film
from bullseye.core.practise.sight import Eye, Sight, sight


@dataclass(frozen=True, slots=True, kw_only=True)
class SightRequest(Checked):
    """One picture: of which runway, from where, and to which aim point."""

    runway: RunwayEnd
    eye: Eye
    aim_point_ft: AimFt
    blind_distance_ft: Annotated[Real, Ge(0), Le(300)] = 40.0
    eye_height_ft: Annotated[Real, Gt(0), Le(30)] = 7.5
    has_path_lights: bool = False


@cache
def sight_adapter() -> TypeAdapter[SightRequest]:
    """Reader of requests for a picture, made once."""
    return TypeAdapter(SightRequest)


@cache
def film_adapter() -> TypeAdapter[FilmRequest]:
    """Reader of requests for a film, made once."""
    return TypeAdapter(FilmRequest)


def sight_of(data: object) -> Sight:
    """Answer a request for a picture.

    :raises RefusedRequest: with a message for each wrong field
    """
    try:
        asked = sight_adapter().validate_python(data)
    except ValidationError as error:
        raise RefusedRequest(messages(error)) from None
    return sight(
        asked.runway,
        asked.eye,
        aim_point_ft=asked.aim_point_ft,
        blind_distance_ft=asked.blind_distance_ft,
        eye_height_ft=asked.eye_height_ft,
        has_path_lights=asked.has_path_lights,
    )


def film_of(data: object, *, aircraft_by_name: Mapping[str, Aircraft]) -> Film:
    """Answer a request for a film.

    :param aircraft_by_name: what a name in place of an aircraft object may stand for
    :raises RefusedRequest: with a message for each wrong field
    """
    if not isinstance(data, dict):
        raise RefusedRequest({'request': 'the request is not an object'})
    try:
        brief = parse_request(data.get('brief'), aircraft_by_name=aircraft_by_name)
    except RefusedRequest as error:
        raise RefusedRequest({f'brief.{name}': text for name, text in error.errors.items()}) from None
    try:
        return make_film(film_adapter().validate_python({**data, 'brief': brief}))
    except ValidationError as error:
        raise RefusedRequest(messages(error)) from None
    except InvalidInput as error:
        raise RefusedRequest({error.field: str(error)}) from None


def sight_schema() -> dict[str, Any]:
    """JSON Schema of a request for a picture and of its answer."""
    return {
        'request': sight_adapter().json_schema(),
        'answer': TypeAdapter(Sight).json_schema(mode='serialization'),
    }


def film_schema(brief_schema: dict[str, Any]) -> dict[str, Any]:
    """JSON Schema of a request for a film and of its answer, with names that may stand for objects."""
    schema = film_adapter().json_schema()
    schema['properties']['brief'] = brief_schema
    return {'request': schema, 'answer': TypeAdapter(Film).json_schema(mode='serialization')}
