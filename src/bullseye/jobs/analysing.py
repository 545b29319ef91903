"""The analysis of one track file, from its bytes to what is kept of it."""

from __future__ import annotations

import logging
import time
import uuid
from collections.abc import Callable
from datetime import UTC, datetime

from sqlalchemy import select, update
from sqlalchemy.orm import Session, sessionmaker, undefer

from bullseye.store import scope
from bullseye.store.people.roles import may_coach
from bullseye.store.rows.flying import Sortie
from bullseye.store.rows.people import User
from bullseye.store.rows.tracks import TrackFile
from bullseye.store.tracks import measuring, trackfiles
from bullseye.tracks import ANALYSIS_VERSION
from bullseye.tracks.analyse import Analysis, analyse
from bullseye.tracks.events import plain_report
from bullseye.tracks.flightlog import log_of, pack
from bullseye.tracks.readers import as_text, beginning, read_track
from bullseye.tracks.readers.columns import Columns, columns_from_dict
from bullseye.tracks.readers.csvdetect import detect, heading_key
from bullseye.tracks.report import report_of
from bullseye.tracks.track import Track, UnreadableTrack

_log = logging.getLogger(__name__)
_BETWEEN_S = 0.3  # progress is for people: more often is of no use
_NEEDS_COLUMNS = 'its columns could not be told: say what they are'


def analyse_file(sessions: sessionmaker[Session], school_id: int, file_id: uuid.UUID) -> None:
    """Analyse a file and keep what was found; only the bytes of a file that is no track are let go."""
    with sessions() as db:
        scope.bind(db, school_id)
        row = db.scalar(
            select(TrackFile).where(TrackFile.id == file_id).options(undefer(TrackFile.raw), undefer(TrackFile.report))
        )
        if row is None or row.removed_at is not None or row.raw is None:
            return
        row.state, row.attempts = 'working', row.attempts + 1
        if row.attempts > trackfiles.MOST_ATTEMPTS:
            _refuse(
                row, 'the analysis of this file broke off three times; it is kept, and may be tried again', keep=True
            )
            db.commit()
            return
        tell = _teller(sessions, school_id, file_id)
        row.progress = 'parsing'
        db.commit()
        try:
            _work(db, row, tell)
        except UnreadableTrack as error:
            if row.columns and row.columns.get('by_hand'):
                # a wrong answer costs nothing: the file stays, and can be told again
                row.state, row.progress, row.problem = 'columns', '', f'so it could not be read: {error}'[:400]
            elif row.state != 'columns':
                _refuse(row, str(error))
        except Exception:
            # not the fault of the file, which is kept: it is told, and a person may have it tried again
            _log.exception('analysis of track %s', file_id)
            db.rollback()
            _refuse(row, 'the analysis failed; the file is kept, and may be tried again', keep=True)
        db.commit()


def _refuse(row: TrackFile, reason: str, *, keep: bool = False) -> None:
    row.state, row.progress, row.problem = 'refused', '', reason[:400]
    if not keep:
        row.raw = None


def _teller(sessions: sessionmaker[Session], school_id: int, file_id: uuid.UUID) -> Callable[[str], None]:
    """Progress, written beside the work so that it can be seen at once."""
    last = [0.0]

    def tell(words: str) -> None:
        if time.monotonic() - last[0] < _BETWEEN_S and 'found' not in words:
            return
        last[0] = time.monotonic()
        with sessions() as db:
            scope.bind(db, school_id)
            db.execute(update(TrackFile).where(TrackFile.id == file_id).values(progress=words[:80]))
            db.commit()

    return tell


def _work(db: Session, row: TrackFile, tell: Callable[[str], None]) -> None:
    track = _read(db, row)
    row.format, row.dated, row.fixes = track.format, track.dated, track.count
    row.device = row.device or (track.device or '')[:240] or None
    aircraft_id, sortie = row.aircraft_id, row.sortie
    if sortie is None and track.dated:
        sortie = _likely(db, row, track)
    if sortie is not None and aircraft_id is None:
        aircraft_id = sortie.aircraft_id
    known = measuring.known_of(db, aircraft_id=aircraft_id, sortie=sortie)
    runways = measuring.runways(db)
    db.commit()  # the row must be free for the progress that is written beside the work
    found = analyse(track, runways, known=known, progress=tell)
    if row.columns and row.columns.get('by_hand') and found.events:
        trackfiles.remember_columns(db, row)  # only what has worked is taken for later files
    _keep(db, row, found)


def _read(db: Session, row: TrackFile) -> Track:
    assert row.raw is not None  # noqa: S101  (the caller has looked)
    if row.format != 'csv':
        return read_track(row.raw)
    text = as_text(beginning(row.raw))
    row.device = heading_key(text)
    by_hand = bool(row.columns and row.columns.get('by_hand'))
    columns = columns_from_dict(row.columns) if row.columns else trackfiles.columns_for(db, row.device)
    if columns is not None and not by_hand:
        try:
            return _read_by(row, columns)
        except UnreadableTrack:
            columns = None  # what was remembered, or guessed before, does not read this one
    if columns is None:
        try:
            columns = detect(text)
        except UnreadableTrack:
            row.state, row.progress, row.problem = 'columns', '', _NEEDS_COLUMNS
            raise
        return read_track(row.raw)
    return _read_by(row, columns, by_hand=True)


def _read_by(row: TrackFile, columns: Columns, *, by_hand: bool = False) -> Track:
    assert row.raw is not None  # noqa: S101  (the caller has looked)
    track = read_track(row.raw, columns=columns)
    row.columns = trackfiles.plain_columns(columns) | ({'by_hand': True} if by_hand else {})
    return track


def _likely(db: Session, row: TrackFile, track: Track) -> Sortie | None:
    """The sortie it most likely is of: its aircraft and spot sharpen what is found."""
    by = db.get_one(User, row.uploaded_by)
    found = measuring.candidates(
        db,
        begun_at=datetime.fromtimestamp(float(track.time_s.min()), UTC),
        ended_at=datetime.fromtimestamp(float(track.time_s.max()), UTC),
        aircraft_id=row.aircraft_id,
        person=by,
    )
    return found[0].sortie if found and may_coach(by) else None


def _keep(db: Session, row: TrackFile, found: Analysis) -> None:
    report = report_of(found)
    row.state, row.progress, row.problem, row.analysis_version = 'done', '', None, ANALYSIS_VERSION
    if row.sortie_id is not None:
        # laps count its events: they are measured anew where these are the same, else all stays as it was confirmed
        if not measuring.are_same_ends(row, report):
            return
        row.report, row.log = plain_report(report), pack(log_of(found))
        measuring.measure_again(db, row)
        return
    row.report, row.log = plain_report(report), pack(log_of(found))
    row.laps, row.warnings = len(found.laps), list(found.warnings)
    row.begun_at = datetime.fromtimestamp(float(found.track.time_s[0]), UTC)
    row.ended_at = datetime.fromtimestamp(float(found.track.time_s[-1]), UTC)
    row.fixes = found.track.count
