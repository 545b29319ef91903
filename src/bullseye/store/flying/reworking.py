"""What was derived by an older version of our model, and is to be worked out again."""

from __future__ import annotations

import logging
import uuid
from dataclasses import dataclass

from sqlalchemy import ColumnElement, func, or_, select
from sqlalchemy.orm import Session

from bullseye.core.basis.constants import MODEL_VERSION
from bullseye.core.basis.unknown import known_or
from bullseye.store.errors import UNREADABLE
from bullseye.store.flying import laps
from bullseye.store.rows.flying import Lap
from bullseye.store.rows.tracks import TrackFile
from bullseye.tracks import ANALYSIS_VERSION

_log = logging.getLogger(__name__)
_AT_ONCE = 200


@dataclass(frozen=True, slots=True, kw_only=True)
class Outdated:
    """How much of a school still stands as an older model made it."""

    laps: int
    flights: int


def _is_old_lap() -> ColumnElement[bool]:
    return or_(Lap.model_version < MODEL_VERSION, Lap.model_version > MODEL_VERSION)  # as an index reads it


def _is_old_flight() -> ColumnElement[bool]:
    version = TrackFile.analysis_version
    return (
        (TrackFile.state == 'done')
        & TrackFile.raw.is_not(None)
        & TrackFile.removed_at.is_(None)
        # as an index reads it
        & or_(version < ANALYSIS_VERSION, version > ANALYSIS_VERSION, version.is_(None))
    )


def outdated(db: Session) -> Outdated:
    """What of the bound school is still to be worked out again."""
    # each side of the present version by itself: together, the whole index would be gone through
    older, newer = Lap.model_version < MODEL_VERSION, Lap.model_version > MODEL_VERSION
    return Outdated(
        laps=sum(known_or(db.scalar(select(func.count()).select_from(Lap).where(one)), 0) for one in (older, newer)),
        flights=known_or(db.scalar(select(func.count()).select_from(TrackFile).where(_is_old_flight())), 0),
    )


def rework_laps(db: Session) -> int:
    """Work some laps out again by today's model, of any school; how many. The session must see every school.

    A lap that cannot be read teaches nothing from then on, and is logged. Laps that somebody is writing are left for
    the next call.
    """
    query = select(Lap).where(_is_old_lap()).order_by(Lap.school_id, Lap.id).limit(_AT_ONCE)
    rows = db.scalars(query.with_for_update(skip_locked=True)).all()
    for lap in rows:
        try:
            laps.learn(db, lap)
        except UNREADABLE:
            _log.exception('lap %s of school %s cannot be read and teaches nothing', lap.id, lap.school_id)
            lap.flown, lap.model_version = None, MODEL_VERSION
    db.commit()
    return len(rows)


def old_flights(db: Session) -> list[tuple[int, uuid.UUID]]:
    """School and id of recorded flights that another version of the analysis has looked at. Sees every school."""
    query = select(TrackFile.school_id, TrackFile.id).where(_is_old_flight()).limit(_AT_ONCE)
    return [(school_id, file_id) for school_id, file_id in db.execute(query)]
