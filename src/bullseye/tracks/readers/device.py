"""Positions as a tablet records them in the cockpit: JSON of columns, each value a difference to the one before."""

from __future__ import annotations

import json
from collections.abc import Mapping
from typing import Any

import numpy as np

from bullseye.core.basis.constants import FPS_PER_KT, FT_PER_M
from bullseye.tracks.track import Floats, Track, UnreadableTrack, make_track

# [own] limits and habits of reading
_COLUMNS = ('t', 'lat', 'lon', 'acc')
_MORE_COLUMNS = ('alt', 'spd', 'crs')
_PLACE = 1e-7  # degrees
_WORST_ACC_M = 50.0  # a phone that says so does not know where it is


def read_device(data: bytes) -> Track:
    """Read one piece, ``{"t": […], "lat": […], "lon": […], "acc": […]}``, or several as ``{"pieces": […]}``.

    ``t`` in ms since 1970, ``lat`` and ``lon`` in 1e-7 degrees, ``acc`` in decimetres; where the receiver told them
    ``alt`` in decimetres, ``spd`` in cm/s and ``crs`` in tenths of a degree, not as differences, null where unknown.

    :raises UnreadableTrack: when it is something else
    """
    try:
        found = json.loads(data)
    except (ValueError, RecursionError):
        raise UnreadableTrack('the file begins like JSON, and is not') from None
    pieces = found.get('pieces', [found]) if isinstance(found, dict) else None
    if not isinstance(pieces, list) or not pieces:
        raise UnreadableTrack('the file is JSON, but holds no positions of a tablet')
    parts = [_piece(one) for one in pieces]
    columns = {name: np.concatenate([part[name] for part in parts]) for name in (*_COLUMNS, *_MORE_COLUMNS)}
    order = np.argsort(columns['t'], kind='stable')
    fine = columns['acc'][order] / 10 <= _WORST_ACC_M
    kept = order[fine]
    left_out = int(order.size - kept.size)
    return make_track(
        format='device',
        device='tablet',
        warnings=(f'{left_out} positions known worse than {_WORST_ACC_M:.0f} m were left out',) if left_out else (),
        time_s=columns['t'][kept] / 1_000,
        lat_deg=columns['lat'][kept] * _PLACE,
        lon_deg=columns['lon'][kept] * _PLACE,
        height_ft=columns['alt'][kept] / 10 * FT_PER_M,
        speed_kt=columns['spd'][kept] / 100 * FT_PER_M / FPS_PER_KT,
        course_deg_true=columns['crs'][kept] / 10,
    )


def _piece(piece: Any) -> dict[str, Floats]:
    if not isinstance(piece, Mapping) or not any(name in piece for name in _COLUMNS):
        raise UnreadableTrack('the file is JSON, but holds no positions of a tablet')
    found = {}
    for name in _COLUMNS:
        values = piece.get(name)
        if not isinstance(values, list) or not all(type(value) is int and abs(value) < 2**53 for value in values):
            raise UnreadableTrack(f'the column {name} of the positions is not a list of whole numbers')
        found[name] = np.cumsum(np.asarray(values, dtype=float))
    if len({column.size for column in found.values()}) != 1:
        raise UnreadableTrack('the columns of the positions are not of one length')
    count = found['t'].size
    for name in _MORE_COLUMNS:
        values = piece.get(name)
        if values is None:
            found[name] = np.full(count, np.nan)
            continue
        if not isinstance(values, list) or len(values) != count or not all(map(whole_or_none, values)):
            raise UnreadableTrack(f'the column {name} of the positions is not a list of whole numbers and nulls')
        found[name] = np.array([np.nan if value is None else value for value in values], dtype=float)
    return found


def whole_or_none(value: Any) -> bool:
    """Whether a value of JSON is a whole number of sense, or null."""
    return value is None or (type(value) is int and abs(value) < 2**53)
