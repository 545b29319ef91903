"""What laps were flown by, kept once: aircraft, runway ends, standards and techniques as they were, by their content.

A version is named by the digest of what it holds, so it never changes and the same content is never kept twice. What is
read of one stays right for as long as the process lives, in every database.
"""

from __future__ import annotations

import hashlib
import json
import uuid
from collections.abc import Iterable, Mapping
from typing import Any, Literal

from pydantic import TypeAdapter
from sqlalchemy import select
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from bullseye.core.given.aircraft import Aircraft
from bullseye.core.given.airfield import RunwayEnd
from bullseye.core.given.standards import Standard
from bullseye.core.given.technique import Technique
from bullseye.store.errors import UNREADABLE
from bullseye.store.rows.flying import Version

Kind = Literal['aircraft', 'runway', 'standard', 'technique']
_ADAPTERS: Mapping[str, TypeAdapter[Any]] = {
    'aircraft': TypeAdapter(Aircraft),
    'runway': TypeAdapter(RunwayEnd),
    'standard': TypeAdapter(Standard),
    'technique': TypeAdapter(Technique),
}
_MOST_REMEMBERED = 2_000
_remembered: dict[uuid.UUID, Any] = {}


def digest_of(kind: Kind, spec: Any) -> uuid.UUID:
    """The name of a content: the first half of the SHA-256 of its kind and its plain data, members in order."""
    text = json.dumps([kind, spec], sort_keys=True, separators=(',', ':'), allow_nan=False)
    return uuid.UUID(bytes=hashlib.sha256(text.encode()).digest()[:16])


def keep(db: Session, school_id: int, parts: Mapping[Kind, Any]) -> dict[Kind, uuid.UUID]:
    """Keep core values of a school, each unless its content is there already; their names by kind."""
    rows, names = [], {}
    for kind, part in parts.items():
        spec = _ADAPTERS[kind].dump_python(part, mode='json')
        names[kind] = digest_of(kind, spec)
        rows.append({'school_id': school_id, 'id': names[kind], 'kind': kind, 'spec': spec})
    # in one order, so that two who keep the same at once cannot wait for each other
    rows.sort(key=lambda row: row['id'])
    db.execute(insert(Version).values(rows).on_conflict_do_nothing())
    return names


def load(db: Session, ids: Iterable[uuid.UUID]) -> dict[uuid.UUID, Any]:
    """Core values by their names; one that is not there, or cannot be read, is left out."""
    found, missing = {}, []
    for name in set(ids):
        value = _remembered.get(name)
        if value is None:
            missing.append(name)
        else:
            found[name] = value
    if missing:
        for row in db.execute(select(Version.id, Version.kind, Version.spec).where(Version.id.in_(missing))):
            try:
                found[row.id] = _ADAPTERS[row.kind].validate_python(row.spec)
            except UNREADABLE:
                continue
        if len(_remembered) + len(missing) > _MOST_REMEMBERED:
            _remembered.clear()
        _remembered.update({name: found[name] for name in missing if name in found})
    return found
