"""Kinds of value that several resources read."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Annotated, Any

from pydantic import AfterValidator, BaseModel, ConfigDict, Field, StringConstraints

from bullseye.core.air.wind import given_direction_deg_true
from bullseye.core.given.airfield import RunwayEnd


def printable(text: str) -> str:
    """Refuse control characters."""
    if any(ord(character) < 32 or ord(character) == 127 for character in text):
        raise ValueError('control characters are not accepted')
    return text


Text = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=80), AfterValidator(printable)]
Login = Annotated[str, StringConstraints(min_length=1, max_length=120), AfterValidator(printable)]
Secret = Annotated[str, StringConstraints(min_length=1, max_length=200), AfterValidator(printable)]
ReportText = Annotated[str, StringConstraints(min_length=1, max_length=600), AfterValidator(printable)]
Note = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=200), AfterValidator(printable)]
Words = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=400)]
Id = Annotated[int, Field(strict=True, ge=1, le=2**31 - 1)]


class In(BaseModel):
    """What a client sends: nothing unknown is let through."""

    model_config = ConfigDict(extra='forbid')


class Out(BaseModel):
    """What a client gets."""

    model_config = ConfigDict(from_attributes=True)


def true_wind(changes: Mapping[str, Any], runway: RunwayEnd) -> dict[str, Any]:
    """Changes with the direction of the wind true; one by the compass is turned by the runway's variation.

    :raises InvalidInput: when it is given twice
    """
    found = dict(changes)
    if {'wind_dir_deg_mag', 'wind_dir_deg_true'} & found.keys():
        found['wind_dir_deg_true'] = given_direction_deg_true(
            wind_dir_deg_true=found.get('wind_dir_deg_true'),
            wind_dir_deg_mag=found.pop('wind_dir_deg_mag', None),
            variation_deg=runway.magnetic_variation_deg,
        )
    return found


# Any refusal: what went wrong, and for wrong fields which
PROBLEM = {
    'type': 'object',
    'properties': {
        'code': {'type': 'string'},
        'message': {'type': 'string'},
        'fields': {'type': 'object', 'additionalProperties': {'type': 'string'}},
    },
    'required': ['code', 'message', 'fields'],
}
