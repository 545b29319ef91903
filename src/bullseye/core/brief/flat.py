"""Briefs as the command line writes them: the members of all parts side by side, under their own names."""

from __future__ import annotations

from collections.abc import Iterator
from functools import cache
from typing import Any

from pydantic import TypeAdapter

from bullseye.core.brief.whole import WholeBrief

_PARTS = ('wind', 'speed', 'aim', 'touchdown', 'ground', 'rollout')


@cache
def _whole_adapter() -> TypeAdapter[WholeBrief]:
    return TypeAdapter(WholeBrief)


def _spread(plain: dict[str, Any]) -> dict[str, Any]:
    parts = {name: value for part in _PARTS for name, value in plain.pop(part).items()}
    cautions = plain.pop('cautions')
    said = [one['words'] for one in cautions] + [plain.pop('training_aid')]
    return {**parts, **plain, 'cautions': said, 'caution_severities': [one['severity'] for one in cautions]}


def flat_whole_brief(answer: WholeBrief) -> dict[str, Any]:
    """A whole brief as plain data, the landing's members among the others."""
    plain: dict[str, Any] = _whole_adapter().dump_python(answer, mode='json')
    return {**_spread(plain.pop('landing')), **plain}


def _of(schema: dict[str, Any], part: dict[str, Any]) -> dict[str, Any]:
    """The definition that a part of a schema points at."""
    found: dict[str, Any] = schema['$defs'][part['$ref'].rpartition('/')[2]]
    return found


def flat_whole_schema() -> dict[str, Any]:
    """JSON Schema of what :func:`flat_whole_brief` writes."""
    schema = _whole_adapter().json_schema(mode='serialization')
    landing = _of(schema, schema['properties']['landing'])
    parts = [_of(schema, landing['properties'][name]) for name in _PARTS]

    def members() -> Iterator[tuple[str, Any]]:
        for part in parts:
            yield from part['properties'].items()
        for whole, spread in ((landing, _PARTS), (schema, ('landing',))):
            yield from ((name, value) for name, value in whole['properties'].items() if name not in spread)

    properties = dict(members())
    properties.pop('training_aid')
    properties['cautions'] = {'type': 'array', 'items': {'type': 'string'}}
    severity = {'enum': ['stop', 'mind', 'know']}
    properties['caution_severities'] = {'type': 'array', 'items': severity, 'description': 'the last caution has none'}
    return {**schema, 'properties': properties, 'required': list(properties)}
