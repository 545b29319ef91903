"""Tracks of positions as devices send them: checked, kept as they came, once however often they are sent."""

from __future__ import annotations

import gzip
import hashlib
import json
import uuid
import zlib
from collections.abc import Sequence
from datetime import UTC, datetime, timedelta
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.quantity import CLOCK_IS_WRONG, is_in_range
from bullseye.store.errors import Conflict
from bullseye.store.rows.flying import Sortie
from bullseye.store.rows.people import User
from bullseye.store.rows.tracks import Track
from bullseye.store.tracks.trackfiles import require_room
from bullseye.tracks.readers.device import whole_or_none

_LARGEST = 4_000_000  # bytes unpacked; ten minutes at 10 Hz are a tenth of it
_MOST_FIXES = 40_000
_COLUMNS = ('t', 'lat', 'lon', 'acc')
_MORE_COLUMNS = ('alt', 'spd', 'crs')


def _unpacked(raw: bytes) -> Any:
    opener = zlib.decompressobj(wbits=31)
    try:
        text = opener.decompress(raw, _LARGEST)
    except zlib.error:
        raise InvalidInput('track', 'its bytes', 'gzipped JSON') from None
    if not opener.eof:
        raise InvalidInput('track', 'cut off, or too large', f'whole, at most {_LARGEST} bytes unpacked')
    try:
        return json.loads(text)
    except (ValueError, RecursionError):
        raise InvalidInput('track', 'its text', 'JSON') from None


def _columns(data: Any) -> dict[str, list[Any]]:
    """The columns of a track: differences to the value before, so that they pack small.

    ``t`` in ms since 1970, ``lat`` and ``lon`` in 1e-7 degrees, ``acc`` in decimetres. Columns that not every receiver
    fills hold the values themselves, null where it told nothing: ``alt`` in decimetres above the ellipsoid, ``spd`` in
    cm/s, ``crs`` in tenths of a degree.
    """
    if not isinstance(data, dict) or not all(isinstance(data.get(name), list) for name in _COLUMNS):
        raise InvalidInput('track', 'its members', ', '.join(_COLUMNS))
    columns = {name: data[name] for name in _COLUMNS}
    lengths = {len(column) for column in columns.values()}
    if len(lengths) != 1 or not 1 <= (count := lengths.pop()) <= _MOST_FIXES:
        raise InvalidInput('track', 'its columns', f'1 to {_MOST_FIXES} fixes, every column as many')
    for name, column in columns.items():
        if not all(type(value) is int and abs(value) < 2**53 for value in column):
            raise InvalidInput('track', name, f'{count} whole numbers')
    for name in _MORE_COLUMNS:
        if name in data:
            values = data[name]
            if not isinstance(values, list) or len(values) != count or not all(map(whole_or_none, values)):
                raise InvalidInput('track', name, f'{count} whole numbers or nulls')
            columns[name] = values
    return columns


def _put_right(raw: bytes, off: timedelta) -> bytes:
    """The same piece as a clock that is right would have dated it."""
    data = _unpacked(raw)
    data['t'][0] += round(off.total_seconds() * 1_000)
    return gzip.compress(json.dumps(data, separators=(',', ':')).encode())


def keep(
    db: Session, sortie: Sortie, *, track_id: uuid.UUID, by: User, raw: bytes, sent_at: datetime | None = None
) -> Track:
    """Keep a piece of track under the id its device made.

    :param sent_at: the hour of sending by the device's own clock, where the positions are dated by that clock: one that
        is wrong is put right; None: they are dated by a receiver

    :raises InvalidInput: when it is no track
    :raises Conflict: when the id belongs to another sortie
    """
    found = db.scalar(select(Track).where(Track.id == track_id))
    if found is not None:
        if found.sortie_id != sortie.id:
            raise Conflict('this track belongs to another sortie')
        return found
    columns = _columns(_unpacked(raw))
    if sent_at is not None and abs(off := datetime.now(UTC) - sent_at) > CLOCK_IS_WRONG:
        raw = _put_right(raw, off)
        columns = _columns(_unpacked(raw))
    first_ms, span_ms = columns['t'][0], sum(columns['t'][1:])
    try:
        begun_at = datetime.fromtimestamp(first_ms / 1_000, UTC)
        ended_at = datetime.fromtimestamp((first_ms + span_ms) / 1_000, UTC)
    except (ValueError, OverflowError, OSError):
        raise InvalidInput('track', 't', 'milliseconds since 1970') from None
    if not (is_in_range(begun_at) and is_in_range(ended_at) and 0 <= span_ms <= 86_400_000):
        raise InvalidInput('track', 't', 'the hours of one day')
    require_room(db, sortie.school_id, len(raw))
    row = Track(
        school_id=sortie.school_id,
        id=track_id,
        sortie_id=sortie.id,
        begun_at=begun_at,
        ended_at=ended_at,
        fixes=len(columns['t']),
        raw=raw,
        recorded_by=by.id,
    )
    db.add(row)
    db.commit()
    return row


def of_sortie(db: Session, sortie: Sortie) -> Sequence[Track]:
    """Pieces of track of a sortie in the order they began."""
    return db.scalars(select(Track).where(Track.sortie_id == sortie.id).order_by(Track.begun_at)).all()


_NAMESPACE = uuid.UUID('0d7f9f0e-4b0a-4d0f-9a44-3f0a3a7e2c55')


def joined(db: Session, sortie: Sortie) -> bytes:
    """All pieces of a sortie as one file, in the order they began.

    :raises InvalidInput: when no position was recorded
    """
    pieces = [_columns(_unpacked(one.raw)) for one in of_sortie(db, sortie)]
    if not pieces:
        raise InvalidInput('track', 'no positions of this sortie', 'positions recorded by a tablet')
    return gzip.compress(json.dumps({'pieces': pieces}).encode(), mtime=0)


def joined_id(raw: bytes, sortie: Sortie) -> uuid.UUID:
    """The same pieces make the same file, however often it is asked for."""
    return uuid.uuid5(_NAMESPACE, f'{sortie.school_id} {sortie.id} {hashlib.sha256(raw).hexdigest()}')
