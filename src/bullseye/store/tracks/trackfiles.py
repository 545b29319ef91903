"""Files of recorded flights: kept as they came, found again, removed so that they can come back."""

from __future__ import annotations

import hashlib
import uuid
from collections.abc import Sequence
from datetime import UTC, datetime, timedelta
from typing import Any

from sqlalchemy import Select, delete, func, or_, select
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session, selectinload, undefer

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.unknown import known_or
from bullseye.store.errors import Conflict, NotFound
from bullseye.store.flying.sorties import Right
from bullseye.store.people.roles import may_coach, require_coach
from bullseye.store.rows.equipment import Aircraft
from bullseye.store.rows.flying import Sortie
from bullseye.store.rows.people import School, User
from bullseye.store.rows.tracks import CsvColumns, TrackFile
from bullseye.tracks.readers import Columns, as_text, beginning, looks_like
from bullseye.tracks.readers.columns import UNITS, columns_from_dict
from bullseye.tracks.readers.csvdetect import detect, first_rows, heading_key
from bullseye.tracks.track import UnreadableTrack

_MOST_KEPT_BYTES = 5_000_000_000  # of a school
_LISTED = 100
_REMOVED_KEPT = timedelta(days=30)
MOST_ATTEMPTS = 3
_HANDED_IN_BY = timedelta(minutes=2)


def _visible(person: User) -> Select[TrackFile]:
    """Files a person may see: a student those of their own sorties, an instructor the school's."""
    query = select(TrackFile).options(
        # by their keys: joined, all sorties of a school might be gone through for a few files
        selectinload(TrackFile.sortie).joinedload(Sortie.student),
        selectinload(TrackFile.sortie).joinedload(Sortie.runway_end),
    )
    if may_coach(person):
        return query
    return query.join(TrackFile.sortie).where(Sortie.student_id == person.id)


def list_for(db: Session, person: User) -> Sequence[TrackFile]:
    """The latest files a person may see, newest flight first."""
    when = func.coalesce(TrackFile.begun_at, TrackFile.created_at)
    query = _visible(person).where(TrackFile.removed_at.is_(None))
    return db.scalars(query.order_by(when.desc(), TrackFile.id).limit(_LISTED)).all()


def find(
    db: Session,
    file_id: uuid.UUID,
    *,
    person: User,
    right: Right = 'read',
    whole: bool = False,
    removed: bool = False,
    lock: bool = False,
) -> TrackFile:
    """A file by its id.

    :param whole: with all that was found in it; the file as it came is read only where it is asked for
    :param removed: also one that was taken away
    :param lock: hold it until the transaction ends, for whoever decides by it whether it has a sortie
    :raises NotFound: when it is absent, of another school, or not for this person
    :raises NotAllowed: when the person may see but not change it
    """
    query = _visible(person).where(TrackFile.id == file_id)
    if not removed:
        query = query.where(TrackFile.removed_at.is_(None))
    if whole:
        query = query.options(undefer(TrackFile.report), undefer(TrackFile.log))
    if lock:
        query = query.with_for_update(of=TrackFile).execution_options(populate_existing=True)
    row = db.scalar(query)
    if row is None:
        raise NotFound('track')
    if right == 'coach':
        require_coach(person)
    return row


def aircraft_id_of(db: Session, aircraft_id: int | None) -> int | None:
    """The aircraft of a flight, checked to be the school's."""
    if aircraft_id is not None and db.get(Aircraft, aircraft_id) is None:
        raise InvalidInput('aircraft_id', aircraft_id, 'one of the school')
    return aircraft_id


def keep(
    db: Session, *, file_id: uuid.UUID, name: str, raw: bytes, by: User, aircraft_id: int | None = None
) -> TrackFile:
    """Keep a file under the id its client made, to be analysed; sending it twice changes nothing.

    What is plainly no track is refused at once, and not kept.

    :raises UnreadableTrack: saying why it is no track
    :raises Conflict: when the same bytes are here under another id, or the id is taken
    :raises NotAllowed: for a student
    """
    require_coach(by)
    digest = hashlib.sha256(raw).hexdigest()
    row = db.scalar(select(TrackFile).where(TrackFile.id == file_id))
    if row is not None:
        if row.digest != digest:
            raise Conflict('another file has this id')
        row.removed_at = None
        db.commit()
        return row
    kind = looks_like(raw)
    require_room(db, by.school_id, len(raw))  # which lets one at a time on: the same file at once is here already
    same = db.scalar(select(TrackFile).where(TrackFile.digest == digest, TrackFile.removed_at.is_(None)).limit(1))
    if same is not None and same.state != 'refused':
        raise Conflict(f'this file is here already, as {same.name}')
    row = TrackFile(
        school_id=by.school_id,
        id=file_id,
        name=name,
        size=len(raw),
        digest=digest,
        raw=raw,
        state='waiting',
        progress='waiting for its turn',
        attempts=0,
        format=kind,
        warnings=[],
        aircraft_id=aircraft_id_of(db, aircraft_id),
        uploaded_by=by.id,
    )
    db.add(row)
    db.commit()
    return row


def require_room(db: Session, school_id: int, more: int) -> None:
    """Refuse what a school has no room for; those who send at once are counted one after the other.

    :raises InvalidInput: when there is none left
    """
    kept = known_or(db.scalar(select(School.track_bytes).where(School.id == school_id).with_for_update()), 0)
    if kept + more > _MOST_KEPT_BYTES:
        raise InvalidInput('file', f'{more} bytes', 'the school’s tracks fill 5 GB: remove old ones first')


def begin(db: Session, row: TrackFile) -> None:
    """Send a file through the analysis once more.

    :raises Conflict: when it was not kept, or while it measures a sortie
    """
    _require_free(row)
    if row.size and row.raw is None:
        raise Conflict('the file was no track and was not kept')
    row.state, row.progress, row.problem, row.attempts = 'waiting', 'waiting for its turn', None, 0
    db.commit()


def remove(db: Session, row: TrackFile) -> None:
    """Take a file away; it can be brought back for a month.

    :raises Conflict: while it measures a sortie
    """
    _require_free(row)
    row.removed_at = datetime.now(UTC)
    db.commit()


def _require_free(row: TrackFile) -> None:
    # the laps of its sortie count its events: they must not change, or go, under them
    if row.sortie_id is not None:
        raise Conflict('this flight measures a sortie: take its laps back first')


def restore(db: Session, row: TrackFile) -> None:
    """Bring a removed file back."""
    row.removed_at = None
    db.commit()


def unfinished(db: Session, *, just_now: bool = False) -> list[tuple[int, uuid.UUID]]:
    """School and id of files that wait or are being worked on; those sent just now if asked for. Sees every school."""
    since = datetime.now(UTC) - (timedelta() if just_now else _HANDED_IN_BY)
    query = select(TrackFile.school_id, TrackFile.id).where(
        or_(TrackFile.state == 'working', (TrackFile.state == 'waiting') & (TrackFile.created_at < since))
    )
    return [(school_id, file_id) for school_id, file_id in db.execute(query)]


def sweep(db: Session) -> None:
    """Forget files removed a month ago. Sees every school."""
    gone = datetime.now(UTC) - _REMOVED_KEPT
    db.execute(delete(TrackFile).where(TrackFile.removed_at < gone, TrackFile.sortie_id.is_(None)))
    db.commit()


def columns_for(db: Session, device: str | None) -> Columns | None:
    """How the files of a device are read, as somebody corrected it; None: nobody did."""
    if device is None:
        return None
    kept = db.scalar(select(CsvColumns).where(CsvColumns.device == device))
    return None if kept is None else columns_from_dict(kept.columns)


def shown_columns(row: TrackFile) -> dict[str, Any]:
    """How a CSV file is read, or would be, with its first rows.

    :raises InvalidInput: for a file that is no CSV
    """
    if row.format != 'csv' or row.raw is None:
        raise InvalidInput('track', row.format, 'a CSV file: only those have columns to name')
    text = as_text(beginning(row.raw))
    columns: Columns | None
    if row.columns:
        columns = columns_from_dict(row.columns)
    else:
        try:
            columns = detect(text)
        except UnreadableTrack:
            columns = None
    separator = columns.separator if columns else None
    separator, rows = first_rows(text, separator=separator)
    return {
        'columns': plain_columns(columns) if columns else None,
        'separator': separator,
        'rows': rows,
        'units': {role: list(units) for role, units in UNITS.items()},
    }


def plain_columns(columns: Columns) -> dict[str, Any]:
    """What a person can correct of how a file is read."""
    return {
        'separator': columns.separator,
        'decimal': columns.decimal,
        'first_row': columns.first_row,
        'utc_offset_min': columns.utc_offset_min,
        'columns': [{'role': one.role, 'index': one.index, 'unit': one.unit} for one in columns.columns],
    }


def correct_columns(db: Session, row: TrackFile, data: dict[str, Any]) -> None:
    """Read a CSV file as told by hand, and later ones with the same headings once that has worked.

    :raises InvalidInput: naming the wrong member
    """
    if row.format != 'csv' or row.raw is None:
        raise InvalidInput('track', row.format, 'a CSV file: only those have columns to name')
    columns = columns_from_dict(data)
    text = as_text(beginning(row.raw))
    _, rows = first_rows(text, separator=columns.separator)
    widest = max((len(one) for one in rows), default=0)
    for column in columns.columns:
        if column.index >= widest:
            raise InvalidInput('index', column.index, f'a column of the file, 0 to {widest - 1}')
    row.columns = plain_columns(columns) | {'by_hand': True}
    # what was remembered of such headings is in doubt, and read no other file until this has worked
    db.execute(delete(CsvColumns).where(CsvColumns.school_id == row.school_id, CsvColumns.device == heading_key(text)))
    begin(db, row)


def remember_columns(db: Session, row: TrackFile) -> None:
    """Read later files with the same headings as this one was read. The caller commits."""
    plain = {name: value for name, value in (row.columns or {}).items() if name != 'by_hand'}
    kept = insert(CsvColumns).values(school_id=row.school_id, device=row.device, columns=plain)
    key = ['school_id', 'device']
    db.execute(kept.on_conflict_do_update(index_elements=key, set_={'columns': plain}))
