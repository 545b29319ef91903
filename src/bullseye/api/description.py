"""The API's description made small: what several operations share is described once.

The framework describes every nested type once for each type it is found in, as ``AboardOut.Aircraft`` and
``CatalogueOut.Aircraft``. Types that are described alike become one, named ``Aircraft``; those of one name that are
described differently keep names of their own.
"""

from __future__ import annotations

import json
from collections.abc import Iterable, Mapping
from typing import Any

_SCHEMAS = '#/components/schemas/'
_RESPONSES = '#/components/responses/'
_WIDTH = 120


def _renamed(value: Any, names: Mapping[str, str]) -> Any:
    """A description with the schemas it points at renamed."""
    if isinstance(value, dict):
        return {
            key: _SCHEMAS + names[one.removeprefix(_SCHEMAS)]
            if key == '$ref' and isinstance(one, str) and one.startswith(_SCHEMAS)
            else _renamed(one, names)
            for key, one in value.items()
        }
    return [_renamed(one, names) for one in value] if isinstance(value, list) else value


def _names(schemas: Mapping[str, Any]) -> dict[str, str]:
    """A name for each schema, the same for those that are described alike, whatever they point at included."""
    short = {name: name.rpartition('.')[2] for name in schemas}
    names = short
    while True:
        alike: dict[tuple[str, str], list[str]] = {}
        for name, schema in schemas.items():
            alike.setdefault((short[name], json.dumps(_renamed(schema, names), sort_keys=True)), []).append(name)
        kinds: dict[str, list[list[str]]] = {}
        for (base, _), members in sorted(alike.items()):
            kinds.setdefault(base, []).append(members)
        found: dict[str, str] = {}
        for base, groups in kinds.items():
            # the largest group has the short name; another is named by the first type it is found in
            groups.sort(key=lambda members: (-len(members), min(members)))
            for place, members in enumerate(groups):
                own = base if place == 0 else min(members, key=lambda one: (len(one), one)).replace('.', '')
                found |= dict.fromkeys(members, own if place == 0 or own != base else f'{base}{place + 1}')
        if found == names:
            return names
        names = found


def _reached(value: Any, schemas: Mapping[str, Any], seen: set[str]) -> set[str]:
    """Names of the schemas that a description points at, and those they point at."""
    if isinstance(value, dict):
        ref = value.get('$ref')
        if isinstance(ref, str) and ref.startswith(_SCHEMAS):
            name = ref.removeprefix(_SCHEMAS)
            if name not in seen:
                seen.add(name)
                _reached(schemas[name], schemas, seen)
        for one in value.values():
            _reached(one, schemas, seen)
    elif isinstance(value, list):
        for one in value:
            _reached(one, schemas, seen)
    return seen


def _operations(description: Mapping[str, Any]) -> Iterable[dict[str, Any]]:
    for path in description['paths'].values():
        yield from (one for one in path.values() if isinstance(one, dict) and 'responses' in one)


def _share_responses(description: dict[str, Any]) -> None:
    """Describe refusals that many operations give alike once."""
    shared: dict[str, Any] = {}
    for operation in _operations(description):
        for status, response in operation['responses'].items():
            if not status.startswith('2') and '$ref' not in response:
                name = f'Status{status}' + ''.join(word.title() for word in response['description'].split()[:4])
                name = ''.join(filter(str.isalnum, name))
                if shared.setdefault(name, response) == response:
                    operation['responses'][status] = {'$ref': _RESPONSES + name}
    description['components']['responses'] = shared


def make_small(description: dict[str, Any]) -> dict[str, Any]:
    """A description in which every type and every refusal stands once, and answers say that they are complete."""
    schemas = description['components']['schemas']
    names = _names(schemas)
    small = _renamed(description, names)
    kept: dict[str, Any] = {}
    for name, schema in small['components']['schemas'].items():
        kept.setdefault(names[name], schema)
    small['components']['schemas'] = kept
    operations = list(_operations(small))
    asked = _reached([one.get('requestBody', {}) for one in operations], kept, set())
    answered = _reached([one['responses'] for one in operations], kept, set())
    for name in answered - asked:
        if 'properties' in kept[name]:
            kept[name]['required'] = sorted(kept[name]['properties'])
    _share_responses(small)
    return small


def written(value: Any, indent: int = 0) -> str:
    """JSON in which whatever fits on a line stands on one."""
    flat = json.dumps(value, ensure_ascii=False, sort_keys=True)
    if len(flat) + indent <= _WIDTH or not isinstance(value, dict | list) or not value:
        return flat
    pad = ' ' * (indent + 2)
    if isinstance(value, list):
        inner = [pad + written(one, indent + 2) for one in value]
        return '[\n' + ',\n'.join(inner) + '\n' + ' ' * indent + ']'
    inner = [f'{pad}{json.dumps(key)}: {written(value[key], indent + 2)}' for key in sorted(value)]
    return '{\n' + ',\n'.join(inner) + '\n' + ' ' * indent + '}'
