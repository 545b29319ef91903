"""Recorded flights: sent as a file, analysed in the background, matched with a sortie, drawn again lap by lap."""

from __future__ import annotations

import json
import uuid
from typing import Annotated, Any, Literal

from apiflask import APIBlueprint
from flask import Response, request
from flask.typing import ResponseReturnValue
from flask_login import login_required
from pydantic import AwareDatetime, Field, StringConstraints
from sqlalchemy.orm import Session

from bullseye.api.context import database, person, queue
from bullseye.api.schema import Id, In, Out
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.kinds import LandingKind
from bullseye.core.basis.quantity import STORABLE
from bullseye.core.given.airfield import RunwayEnd
from bullseye.store.flying import sorties
from bullseye.store.people.roles import require_coach
from bullseye.store.rows.tracks import TrackFile
from bullseye.store.tracks import measuring, positions, replay, trackfiles
from bullseye.tracks.events import Event, Lap, WindFound
from bullseye.tracks.readers.columns import Role
from bullseye.tracks.report import events_csv, events_geojson, flat_events, gpx_of

bp = APIBlueprint('tracks', __name__, url_prefix='/api/tracks', tag='Tracks')
State = Literal['waiting', 'working', 'done', 'refused', 'columns']
_FORMATS = {'gpx': 'application/gpx+xml', 'csv': 'text/csv', 'geojson': 'application/geo+json'}


class TrackLine(Out):
    """One file as the list shows it; ``problem`` says why it was refused."""

    id: uuid.UUID
    name: str
    size: int
    state: State
    progress: str
    problem: str | None
    format: str | None
    begun_at: AwareDatetime | None
    ended_at: AwareDatetime | None
    fixes: int | None
    laps: int | None
    warnings: list[str]
    aircraft_id: int | None
    sortie_id: int | None
    sortie_words: str | None
    is_kept: bool

    @classmethod
    def of(cls, row: TrackFile) -> TrackLine:
        """Reply for a file."""
        sortie = row.sortie
        words = None
        if sortie is not None:
            words = f'{sortie.student.name}, {sortie.planned_on:%d %b %Y}, runway {sortie.runway_end.ident}'
        names = ('id', 'name', 'size', 'state', 'progress', 'problem', 'format', 'begun_at', 'ended_at', 'fixes')
        more = ('laps', 'warnings', 'aircraft_id', 'sortie_id', 'is_kept')
        plain = {name: getattr(row, name) for name in (*names, *more)}
        return cls.model_validate({**plain, 'sortie_words': words})


class TracksOut(Out):
    """The latest recorded flights."""

    tracks: list[TrackLine]


class CandidateOut(Out):
    """A sortie that the flight may be, and why."""

    sortie_id: int
    words: str
    reason: str
    laps: int


class TrackOut(Out):
    """A recorded flight with what was found in it; empty until it has been analysed."""

    track: TrackLine
    events: list[Event]
    laps: list[Lap]
    wind: list[WindFound]
    candidates: list[CandidateOut]


class PairIn(In):
    """One end of the track and the lap it is; null: a lap nobody noted."""

    event: Annotated[int, Field(strict=True, ge=0, le=100_000)]
    lap_id: uuid.UUID | None


class FlownSortieIn(In):
    """What a recorded flight does not tell of its sortie."""

    student_id: Id
    aircraft_id: Id | None = None  # None: that which the flight was analysed with
    standard_id: Id
    landing: LandingKind


class FlownSortieOut(Out):
    """The sortie that was made."""

    sortie_id: int


class MatchIn(In):
    """The sortie a flight was, and which lap is which."""

    sortie_id: Id
    pairs: Annotated[list[PairIn], Field(max_length=500)]


class PairOut(Out):
    """A proposed pair."""

    event: int
    lap_id: uuid.UUID | None


class MatchOut(Out):
    """Which lap of a sortie is which landing, as it seems."""

    pairs: list[PairOut]


class ColumnIn(In):
    """One column of a CSV file and what it holds."""

    role: Role
    index: Annotated[int, Field(strict=True, ge=0, le=999)]
    unit: Annotated[str, StringConstraints(max_length=8), STORABLE] | None = None


class ColumnsIn(In):
    """How a CSV file is read; ``first_row`` is the first of figures, counted from 0."""

    separator: Literal[',', ';', '\t', '|', ' ']
    decimal: Literal['.', ',']
    first_row: Annotated[int, Field(strict=True, ge=0, le=1_000)]
    columns: Annotated[list[ColumnIn], Field(max_length=13)]
    utc_offset_min: Annotated[float, Field(ge=-900, le=900)] = 0.0  # by which its times are ahead of UTC


class ColumnsShown(Out):
    """How a CSV file is read, null when it could not be told, and its first rows."""

    columns: ColumnsIn | None
    separator: str
    rows: list[list[str]]
    units: dict[Role, list[str]]


class AnalysisIn(In):
    """What the analysis shall know besides the track."""

    aircraft_id: Id | None = None


class DrawnRunway(Out):
    """A runway of the field on the axes of the one in use: along and lateral feet of its pavement's ends."""

    begins: tuple[float, float]
    ends: tuple[float, float]
    width_ft: float


class ReplayOut(Out):
    """One lap on its runway's axes, a column for each thing that is drawn; seconds from its end."""

    number: int
    runway: RunwayEnd
    zero: AwareDatetime
    others: list[DrawnRunway]
    time_s: list[float]
    along_ft: list[float]
    lateral_ft: list[float]
    height_ft: list[float | None]
    groundspeed_kt: list[float]
    airspeed_kt: list[float | None] | None
    climb_fpm: list[float | None]
    bank_deg: list[float | None]


def _sortie_words(sortie: Any) -> str:
    return (
        f'{sortie.student.name}, {sortie.planned_on:%d %b %Y}, {sortie.runway_end.airfield.name} '
        f'{sortie.runway_end.ident}, {sortie.aircraft.name}'
    )


def _told(db: Session, row: TrackFile) -> dict[str, Any]:
    report = None if row.report is None else measuring.report_of(row)
    events = report.events if report else ()
    used = {f'{one.field} {one.runway}' for one in events if one.runway}
    found = measuring.candidates(
        db,
        begun_at=row.begun_at if row.dated else None,
        ended_at=row.ended_at,
        aircraft_id=row.aircraft_id,
        person=person(),
        used=sorted(used),
    )
    return {
        'track': TrackLine.of(row),
        'events': list(events),
        'laps': list(report.laps) if report else [],
        'wind': list(report.wind) if report else [],
        'candidates': [
            {
                'sortie_id': one.sortie.id,
                'words': _sortie_words(one.sortie),
                'reason': one.reason,
                'laps': one.laps,
            }
            for one in found
        ],
    }


def _go(row: TrackFile) -> None:
    queue().analyse(row.school_id, row.id)


@bp.get('')
@login_required
@bp.output(TracksOut)
@bp.doc(responses=[401])
def list_track_files() -> dict[str, Any]:
    """List the latest recorded flights a person may see."""
    return {'tracks': [TrackLine.of(row) for row in trackfiles.list_for(database(), person())]}


@bp.put('/<uuid:file_id>')
@login_required
@bp.output(TrackLine)
@bp.doc(responses=[401, 403, 409, 413, 422])
def send_track_file(file_id: uuid.UUID) -> TrackLine:
    """Send a file as it is, its name in ``?name=``; sending it twice changes nothing."""
    name = ''.join(c for c in request.args.get('name', '') if c.isprintable()).strip()[-120:] or 'track'
    require_coach(person())  # before fifty megabytes are read
    raw = request.get_data(cache=False)
    row = trackfiles.keep(database(), file_id=file_id, name=name, raw=raw, by=person())
    if row.state == 'waiting':
        _go(row)
    return TrackLine.of(row)


@bp.get('/<uuid:file_id>')
@login_required
@bp.output(TrackOut)
@bp.doc(responses=[401, 404])
def read_track_file(file_id: uuid.UUID) -> dict[str, Any]:
    """Read what was found in a flight, and which sorties it may be."""
    db = database()
    return _told(db, trackfiles.find(db, file_id, person=person()))  # its report follows, not its columns


@bp.delete('/<uuid:file_id>')
@login_required
@bp.output({}, status_code=204)
@bp.doc(responses=[401, 403, 404, 409])
def remove_track_file(file_id: uuid.UUID) -> ResponseReturnValue:
    """Take a flight away that measures no sortie; it can be brought back for a month."""
    db = database()
    trackfiles.remove(db, trackfiles.find(db, file_id, person=person(), right='coach', lock=True))
    return '', 204


@bp.post('/<uuid:file_id>/restore')
@login_required
@bp.output(TrackLine)
@bp.doc(responses=[401, 403, 404])
def restore_track_file(file_id: uuid.UUID) -> TrackLine:
    """Bring back a flight that was taken away."""
    db = database()
    row = trackfiles.find(db, file_id, person=person(), right='coach', lock=True, removed=True)
    trackfiles.restore(db, row)
    return TrackLine.of(row)


@bp.post('/<uuid:file_id>/analysis')
@login_required
@bp.input(AnalysisIn)
@bp.output(TrackLine)
@bp.doc(responses=[401, 403, 404, 409])
def analyse_again(file_id: uuid.UUID, json_data: AnalysisIn) -> TrackLine:
    """Analyse a flight again, by another aircraft or by the fields as they are now."""
    db = database()
    row = trackfiles.find(db, file_id, person=person(), right='coach', lock=True, whole=True)
    row.aircraft_id = trackfiles.aircraft_id_of(db, json_data.aircraft_id)
    trackfiles.begin(db, row)
    _go(row)
    return TrackLine.of(row)


@bp.get('/<uuid:file_id>/columns')
@login_required
@bp.output(ColumnsShown)
@bp.doc(responses=[401, 403, 404, 422])
def show_columns(file_id: uuid.UUID) -> dict[str, Any]:
    """Show how the columns of a CSV file are read."""
    db = database()
    return trackfiles.shown_columns(trackfiles.find(db, file_id, person=person(), right='coach', whole=True))


@bp.put('/<uuid:file_id>/columns')
@login_required
@bp.input(ColumnsIn)
@bp.output(TrackLine)
@bp.doc(responses=[401, 403, 404, 422])
def correct_columns(file_id: uuid.UUID, json_data: ColumnsIn) -> TrackLine:
    """Say how the columns of a CSV file are read, now, and later files alike once that has worked."""
    db = database()
    row = trackfiles.find(db, file_id, person=person(), right='coach', whole=True)
    trackfiles.correct_columns(db, row, json_data.model_dump())
    _go(row)
    return TrackLine.of(row)


@bp.get('/<uuid:file_id>/match/<int:sortie_id>')
@login_required
@bp.output(MatchOut)
@bp.doc(responses=[401, 403, 404, 409])
def propose_match(file_id: uuid.UUID, sortie_id: int) -> dict[str, Any]:
    """Propose which lap of a sortie is which landing of a flight."""
    db = database()
    row = trackfiles.find(db, file_id, person=person(), right='coach', whole=True)
    return {'pairs': measuring.propose(db, row, sorties.find(db, sortie_id, person=person()))}


@bp.post('/<uuid:file_id>/match')
@login_required
@bp.input(MatchIn)
@bp.output(TrackLine)
@bp.doc(responses=[401, 403, 404, 409, 422])
def confirm_match(file_id: uuid.UUID, json_data: MatchIn) -> TrackLine:
    """Confirm the sortie of a flight: its laps get what the track measured."""
    db = database()
    row = trackfiles.find(db, file_id, person=person(), right='coach', lock=True, whole=True)
    sortie = sorties.find(db, json_data.sortie_id, person=person(), right='coach', lock=True)
    pairs = [measuring.Pair(event=one.event, lap_id=one.lap_id) for one in json_data.pairs]
    measuring.confirm(db, row, sortie, by=person(), pairs=pairs)
    db.expire(row)
    return TrackLine.of(trackfiles.find(db, file_id, person=person()))


@bp.post('/<uuid:file_id>/sortie')
@login_required
@bp.input(FlownSortieIn)
@bp.output(FlownSortieOut, status_code=201)
@bp.doc(responses=[401, 403, 404, 409, 422])
def make_sortie(file_id: uuid.UUID, json_data: FlownSortieIn) -> FlownSortieOut:
    """Make the sortie that a flight was, with its field, runway, hour, wind and laps."""
    db = database()
    require_coach(person())
    row = trackfiles.find(db, file_id, person=person(), right='coach', lock=True, whole=True)
    return FlownSortieOut(sortie_id=measuring.sortie_of(db, row, by=person(), **json_data.model_dump()).id)


@bp.delete('/<uuid:file_id>/match')
@login_required
@bp.output({}, status_code=204)
@bp.doc(responses=[401, 403, 404, 409])
def take_match_back(file_id: uuid.UUID) -> ResponseReturnValue:
    """Take the laps of a flight back out of its sortie; noted laps are as they were noted."""
    db = database()
    row = trackfiles.find(db, file_id, person=person(), right='coach', lock=True)
    if row.sortie_id is not None:
        sorties.find(db, row.sortie_id, person=person(), right='coach', lock=True)
    measuring.take_back(db, row)
    db.commit()
    return '', 204


@bp.get('/<uuid:file_id>/laps/<int:number>')
@login_required
@bp.output(ReplayOut)
@bp.doc(responses=[401, 404, 409])
def replay_lap(file_id: uuid.UUID, number: int) -> dict[str, Any]:
    """Read one lap to draw it again."""
    db = database()
    return replay.lap_of(db, trackfiles.find(db, file_id, person=person(), whole=True), number)


@bp.get('/<uuid:file_id>/file')
@login_required
@bp.doc(responses=[401, 404])
def take_out_file(file_id: uuid.UUID) -> Response:
    """Take the file out as it came."""
    row = trackfiles.find(database(), file_id, person=person(), whole=True)
    if row.raw is None:
        raise InvalidInput('track', row.name, 'a file that was kept')
    return _download(row.raw, row.name, 'application/octet-stream')


@bp.get('/<uuid:file_id>/export.<string:form>')
@login_required
@bp.doc(responses=[401, 404, 409, 422])
def take_out(file_id: uuid.UUID, form: str) -> Response:
    """Take out the cleaned track as ``gpx``, or the events as ``csv`` or ``geojson``."""
    if form not in _FORMATS:
        raise InvalidInput('form', form, ', '.join(_FORMATS))
    row = trackfiles.find(database(), file_id, person=person(), whole=True)
    report, log = replay.kept_of(row)
    if form == 'gpx':
        text = gpx_of(time_s=log.time_s, lat_deg=log.lat_deg, lon_deg=log.lon_deg, height_ft=log.height_ft)
    elif form == 'csv':
        text = events_csv(flat_events(report))
    else:
        text = json.dumps(events_geojson(flat_events(report)), ensure_ascii=False, allow_nan=False)
    stem = row.name.removesuffix('.gz').rsplit('.', 1)[0] or 'track'
    return _download(text.encode(), f'{stem}.{"events." if form != "gpx" else "clean."}{form}', _FORMATS[form])


def _download(data: bytes, name: str, kind: str) -> Response:
    reply = Response(data, content_type=kind)
    # never shown by the browser: what is in the file is not ours
    reply.headers.set('Content-Disposition', 'attachment', filename=name)
    reply.headers['X-Content-Type-Options'] = 'nosniff'
    return reply


@bp.post('/of-sortie/<int:sortie_id>')
@login_required
@bp.output(TrackLine)
@bp.doc(responses=[401, 403, 404, 409, 422])
def measure_from_tablet(sortie_id: int) -> TrackLine:
    """Have the positions that a tablet recorded on a sortie analysed like a file."""
    db = database()
    sortie = sorties.find(db, sortie_id, person=person(), right='coach')
    raw = positions.joined(db, sortie)
    file_id = positions.joined_id(raw, sortie)
    name = f'Tablet, {sortie.student.name}, {sortie.planned_on:%d %b %Y}'
    row = trackfiles.keep(db, file_id=file_id, name=name, raw=raw, by=person(), aircraft_id=sortie.aircraft_id)
    if row.state == 'waiting':
        _go(row)
    return TrackLine.of(row)
