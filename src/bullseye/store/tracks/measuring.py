"""From an analysed track to measured laps: which sortie it is, which lap is which landing, and what each was."""

from __future__ import annotations

import logging
import math
import uuid
from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from typing import Any

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from bullseye.core.basis.constants import TOUCHDOWN_OVER_STALL
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.measure.readings import Measure, Reading
from bullseye.core.model.deceleration import prior_fps2
from bullseye.store.equipment import catalogue
from bullseye.store.errors import UNREADABLE, Conflict
from bullseye.store.flying import laps, sorties
from bullseye.store.flying.around import plain_around
from bullseye.store.flying.lapwind import airspeed_of
from bullseye.store.flying.requests import flown_request, planned_at
from bullseye.store.rows.equipment import Aircraft, RunwayEnd
from bullseye.store.rows.flying import Lap, Sortie
from bullseye.store.rows.people import User
from bullseye.store.rows.tracks import TrackFile
from bullseye.store.tracks.eventreadings import NO_DRIFT_KT, add, readings_of_event
from bullseye.store.tracks.fromreport import lifted_off_ft, low_pass_of, rolled_on_ft, wind_near_ground
from bullseye.tracks.events import Event, FlightReport, read_report
from bullseye.tracks.fields import Runway
from bullseye.tracks.known import Known
from bullseye.tracks.matching import Ended, match

_log = logging.getLogger(__name__)
_NAMESPACE = uuid.UUID('5b2b1f0a-6d2c-4c49-9f0b-2a8f5c7f3c11')  # of laps that a track made
_USUAL_WEIGHT = 0.97  # of the stalling speed: rarely at maximum weight [own]
_AROUND = timedelta(hours=36)
_LAST_TAP = timedelta(minutes=3)
_DRILL_S = 60.0  # [own] between the end of a hold-off at altitude and its being noted
_SAME_END_S = 20.0  # [own] between two analyses of one landing
_SAME_FT = 30.0  # [own] between two analyses of one roll
_ENDS = ('touchdown', 'go_around', 'low_approach')


def runways(db: Session) -> list[Runway]:
    """All landing directions in use of the bound school, as they are briefed; one that cannot be read is left out."""
    found = []
    for field in catalogue.all_airfields(db):
        for row in field.ends:
            if row.removed_at is not None:
                continue
            try:
                end, frame = catalogue.runway_of(row), catalogue.frame_of(row)
            except UNREADABLE:
                _log.exception('runway end %s of school %s cannot be read', row.id, row.school_id)
                continue
            found.append(
                Runway(
                    field=field.ident,
                    field_name=field.name,
                    end=end,
                    frame=frame,
                    pattern_altitude_ft=field.pattern_altitude_ft,
                )
            )
    return found


def known_of(db: Session, *, aircraft_id: int | None, sortie: Sortie | None) -> Known:
    """What is known of a flight besides its track."""
    spots = {} if sortie is None else {sortie.runway_end.ident: sortie.spot_ft}
    row = db.get(Aircraft, aircraft_id) if aircraft_id is not None else None
    if row is None:
        return Known(spots_ft=spots)
    aircraft = catalogue.aircraft_of(row)
    return Known(
        spots_ft=spots,
        touchdown_kcas=TOUCHDOWN_OVER_STALL * min(flap.stall_kcas for flap in aircraft.flaps) * _USUAL_WEIGHT,
        deceleration_fps2=prior_fps2(aircraft, aircraft.flaps[-1], weight_lb=aircraft.max_weight_lb),
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class Candidate:
    """A sortie that a track may be of, and why."""

    sortie: Sortie
    laps: int  # noted while the track ran
    same_aircraft: bool | None  # None: the aircraft of the track was not told
    reason: str


def candidates(
    db: Session,
    *,
    begun_at: datetime | None,
    ended_at: datetime | None,
    aircraft_id: int | None,
    person: User,
    used: Sequence[str] = (),
) -> list[Candidate]:
    """Sorties about the time of a track, the likeliest first: laps noted meanwhile, then aircraft, field and hour.

    :param used: runways the track landed on, as ``field runway``
    """
    if begun_at is None or ended_at is None:
        return []
    query = sorties.visible(person).where(
        Sortie.planned_on >= (begun_at - _AROUND).date(),
        Sortie.planned_on <= (ended_at + _AROUND).date(),
        Sortie.removed_at.is_(None),
    )
    about = db.scalars(query.limit(200)).unique().all()
    meanwhile = (
        select(Lap.sortie_id, func.count())
        .where(
            Lap.sortie_id.in_([sortie.id for sortie in about]),
            Lap.removed_at.is_(None),
            Lap.flown_at.between(begun_at, ended_at + _LAST_TAP),
        )
        .group_by(Lap.sortie_id)
    )
    noted_in: dict[int, int] = {row[0]: row[1] for row in db.execute(meanwhile)}
    found = []
    for sortie in about:
        noted = noted_in.get(sortie.id, 0)
        same = None if aircraft_id is None else sortie.aircraft_id == aircraft_id
        field = sortie.runway_end.airfield.ident
        there = any(one.split(' ')[0] == field for one in used)
        day = sortie.planned_on == begun_at.date()
        hour = planned_at(sortie, longitude_deg=sortie.runway_end.threshold_lon_deg)
        apart_h = abs((begun_at - hour).total_seconds()) / 3600
        if not noted and not day and apart_h > 18:
            continue
        score = 10 * min(noted, 5) + 4 * (same is True) - 6 * (same is False) + 3 * there + 2 * day - apart_h / 12
        reasons = [
            f'{noted} lap{"s" * (noted != 1)} noted while it ran' if noted else '',
            'the same aircraft' if same else '',
            'landed at its field' if there else '',
            'planned for that day' if day else 'planned for another day',
        ]
        found.append(
            (
                score,
                Candidate(
                    sortie=sortie, laps=noted, same_aircraft=same, reason=', '.join(one for one in reasons if one)
                ),
            )
        )
    return [one for _, one in sorted(found, key=lambda pair: -pair[0])][:8]


@dataclass(frozen=True, slots=True, kw_only=True)
class Pair:
    """One end of a lap in a track, and the noted lap that it is: None for one that nobody noted."""

    event: int
    lap_id: uuid.UUID | None


def report_of(row: TrackFile) -> FlightReport:
    """What was found in a flight.

    :raises Conflict: when it has not been analysed
    """
    if row.report is None:
        raise Conflict('this track has not been analysed')
    return read_report(row.report)


def _ends(report: FlightReport) -> dict[int, Event]:
    """Events of a flight that end a lap on a known runway, by their places in its list."""
    return {k: one for k, one in enumerate(report.events) if one.kind in _ENDS and one.runway}


def _moment(event: Event) -> datetime:
    return datetime.fromtimestamp(event.time_s, UTC)


def outcome_of(event: Event) -> str:
    """How a lap ended, as a recorder names it."""
    return event.then or 'full_stop' if event.kind == 'touchdown' else event.kind


def propose(db: Session, row: TrackFile, sortie: Sortie) -> list[Pair]:
    """Which lap of a sortie each end in a track is."""
    ends = _ends(report_of(row))
    noted = [lap for lap in laps.of_sortie(db, sortie) if not _is_made_by(lap, row)]
    of_lap = [Ended(at_s=lap.flown_at.timestamp(), outcome=lap.outcome) for lap in noted]
    of_track = [Ended(at_s=event.time_s, outcome=outcome_of(event)) for event in ends.values()]
    found = match(of_track, of_lap)
    return [Pair(event=index, lap_id=None if k is None else noted[k].id) for index, k in zip(ends, found, strict=True)]


def _is_made_by(lap: Lap, row: TrackFile) -> bool:
    return lap.track_file_id == row.id and lap.id == _lap_id(row, lap.track_event)


def _lap_id(row: TrackFile, event: int | None) -> uuid.UUID:
    return uuid.uuid5(_NAMESPACE, f'{row.school_id} {row.id} {event}')


def confirm(db: Session, row: TrackFile, sortie: Sortie, *, by: User, pairs: Sequence[Pair]) -> None:
    """Take the laps of a sortie from a track: noted ones get what it measured, the others are made.

    An end that is in no pair is left out. What an earlier confirmation of this track did is taken back first. The
    sortie must have been locked.

    :raises InvalidInput: for a pair that does not fit
    """
    report = report_of(row)
    ends = _ends(report)
    by_id = {lap.id: lap for lap in laps.of_sortie(db, sortie)}
    seen: set[object] = set()
    for pair in pairs:
        if pair.event not in ends or pair.event in seen:
            raise InvalidInput('pairs', pair.event, 'each end of the track at most once')
        if pair.lap_id is not None and (pair.lap_id not in by_id or pair.lap_id in seen):
            raise InvalidInput('pairs', str(pair.lap_id), 'a lap of the sortie, each at most once')
        other = by_id[pair.lap_id].track_file_id if pair.lap_id else None
        if other not in (None, row.id):
            raise InvalidInput('pairs', str(pair.lap_id), 'a lap that no other track has measured')
        seen |= {pair.event, pair.lap_id} - {None}
    take_back(db, row)
    row.sortie_id = sortie.id
    for pair in sorted(pairs, key=lambda one: ends[one.event].time_s):
        event, liftoff_ft = ends[pair.event], lifted_off_ft(report, pair.event)
        if pair.lap_id is None:
            around = plain_around(report, pair.event)
            _make_lap(db, row, sortie, pair.event, event, liftoff_ft, around, by=by)
        else:
            lap = by_id[pair.lap_id]
            lap.liftoff_ft = liftoff_ft if lap.liftoff_ft is None else lap.liftoff_ft
            _measure(db, lap, row, pair.event, event, plain_around(report, pair.event))
    _measure_drills(db, row, sortie, report)
    db.commit()


def sortie_of(
    db: Session, row: TrackFile, *, by: User, student_id: int, aircraft_id: int | None, standard_id: int, landing: str
) -> Sortie:
    """Make the sortie that a recorded flight was, and take its laps from it; nobody had planned it.

    Field, runway and hour are the recording's. So is its wind where the turns tell one, brought down from pattern
    height; temperature and pressure are standard, since a track does not tell them.

    The flight must have been locked.

    :raises Conflict: when the flight has a sortie, has no date, or touched no known runway
    """
    report = report_of(row)
    if row.sortie_id is not None:
        raise Conflict('this flight has its sortie already')
    if not row.dated or row.begun_at is None or row.ended_at is None:
        raise Conflict('the file tells only the time of day: choose the sortie it was by hand')
    ends = _ends(report)
    if not ends:
        raise Conflict('no lap was found on a runway of the school: add the field first, then analyse the flight again')
    used = Counter((event.field, event.runway) for event in ends.values()).most_common(1)[0][0]
    end = next(
        (
            one
            for field in catalogue.all_airfields(db)
            for one in field.ends
            if (field.ident, one.ident) == used and one.removed_at is None
        ),
        None,
    )
    if end is None:
        raise Conflict(f'{used[0]} {used[1]} is not one of the school’s runways any more')
    wind = wind_near_ground(report, end)
    minutes = (row.ended_at - row.begun_at).total_seconds() / 60
    values: dict[str, Any] = {
        'student_id': student_id,
        'aircraft_id': row.aircraft_id if aircraft_id is None else aircraft_id,
        'standard_id': standard_id,
        'landing': landing,
        'runway_end_id': end.id,
        'planned_on': row.begun_at.astimezone(UTC).date(),
        'planned_time': row.begun_at.astimezone(UTC).time().replace(microsecond=0, tzinfo=None),
        'booked_min': float(min(480, max(10, math.ceil(minutes / 10) * 10))),
    }
    if wind is not None:
        values |= {'wind_kt': float(round(wind.speed_kt)), 'wind_dir_deg_true': wind.direction_deg_true}
    sortie = sorties.made(db, by=by, values=values)
    pairs = [Pair(event=index, lap_id=None) for index in ends]
    confirm(db, row, sorties.find(db, sortie.id, person=by, right='coach', lock=True), by=by, pairs=pairs)
    return sortie


def _end_of(db: Session, event: Event, sortie: Sortie) -> RunwayEnd:
    """The runway an event was on; the sortie's own field before one of the same name."""
    own = sortie.runway_end
    if event.field == own.airfield.ident and event.runway == own.ident:
        return own
    for field in catalogue.all_airfields(db):
        for end in field.ends:
            if field.ident == event.field and end.ident == event.runway and end.removed_at is None:
                return end
    raise Conflict(f'{event.field} {event.runway} is not one of the school’s runways any more')


def _make_lap(
    db: Session,
    row: TrackFile,
    sortie: Sortie,
    index: int,
    event: Event,
    liftoff_ft: float | None,
    around: dict[str, Any] | None,
    *,
    by: User,
) -> None:
    end = _end_of(db, event, sortie)
    values = {
        'flown_at': _moment(event),
        'outcome': outcome_of(event),
        'liftoff_ft': liftoff_ft,
        'known_by': {},
        'runway_end_id': None if end.id == sortie.runway_end_id else end.id,
    }
    batch = laps.LapBatch.of(db, [_lap_id(row, index)])
    laps.keep(db, sortie, lap_id=_lap_id(row, index), by=by, values=values, batch=batch)
    lap = batch.laps[_lap_id(row, index)]
    _measure(db, lap, row, index, event, around)


def _measure(db: Session, lap: Lap, row: TrackFile, index: int, event: Event, around: dict[str, Any] | None) -> None:
    """Lay what a track measured beside what was noted; the better known counts."""
    request = flown_request(db, lap)
    lap.track_file_id, lap.track_event, lap.around = row.id, index, around
    if event.kind == 'touchdown' and lap.outcome in ('full_stop', 'touch_and_go', 'stop_and_go'):
        tracked = readings_of_event(event, request)
        speed = airspeed_of(lap, request)
        if speed is not None:
            tracked['threshold_speed_kias'] = speed
        laps.settle(lap, tracked)
        if lap.bounced is None and event.bounces is not None:
            lap.bounced = event.bounces > 0
            lap.known_by = {**lap.known_by, 'bounced': 'tracked'}
        if lap.drift is None and event.drift_kt is not None:
            side = 'right' if event.drift_kt > 0 else 'left'
            lap.drift = 'none' if abs(event.drift_kt) < NO_DRIFT_KT else side
            lap.known_by = {**lap.known_by, 'drift': 'tracked'}
    if event.kind == lap.outcome == 'low_approach':
        low = low_pass_of(report_of(row), index)
        if low is not None:
            off: dict[Measure, Reading] = {}
            add(off, 'lateral_ft', low.lateral_ft, low.lateral_uncertainty_ft)
            laps.settle(lap, off)
    lap.revision += 1
    laps.learn(db, lap)


def _measure_drills(db: Session, row: TrackFile, sortie: Sortie, report: FlightReport) -> None:
    """Time hold-offs at altitude that somebody has noted by what the track shows about that moment, each once."""
    noted = [
        lap
        for lap in laps.of_sortie(db, sortie)
        if lap.outcome == 'drill' and lap.track_event is None and lap.track_file_id in (None, row.id)
    ]
    apart = sorted(
        (abs(lap.flown_at.timestamp() - held.to_s), k, j)
        for k, lap in enumerate(noted)
        for j, held in enumerate(report.held_aloft)
    )
    used_laps, used_held = set[int](), set[int]()
    for seconds, k, j in apart:
        if seconds > _DRILL_S or k in used_laps or j in used_held:
            continue
        used_laps.add(k)
        used_held.add(j)
        held, lap = report.held_aloft[j], noted[k]
        tracked: dict[Measure, Reading] = {}
        add(tracked, 'float_s', held.held_s, held.uncertainty_s)
        lap.track_file_id = row.id
        laps.settle(lap, tracked)
        lap.revision += 1
        laps.learn(db, lap)


def are_same_ends(row: TrackFile, report: FlightReport) -> bool:
    """Whether another analysis of a flight found the same events, at the same places of its list."""
    before = report_of(row).events
    if len(before) != len(report.events):
        return False
    return all(
        abs(now.time_s - was.time_s) <= _SAME_END_S
        and (now.kind, now.field, now.runway) == (was.kind, was.field, was.runway)
        for was, now in zip(before, report.events, strict=True)
    )


def measure_again(db: Session, row: TrackFile) -> None:
    """Lay what a new analysis of a flight measured beside what was noted of its laps. The caller commits."""
    report = report_of(row)
    ends = _ends(report)
    for lap in db.scalars(select(Lap).where(Lap.track_file_id == row.id)).all():
        if lap.track_event in ends:
            around = plain_around(report, lap.track_event)
            mistaken_ft = rolled_on_ft(report, lap.track_event)
            if mistaken_ft is not None and lap.liftoff_ft is not None and abs(lap.liftoff_ft - mistaken_ft) < _SAME_FT:
                lap.liftoff_ft = None
            _measure(db, lap, row, lap.track_event, ends[lap.track_event], around)
    sortie = None if row.sortie_id is None else db.get(Sortie, row.sortie_id)
    if sortie is not None:
        _measure_drills(db, row, sortie, report)


def take_back(db: Session, row: TrackFile) -> None:
    """Undo a confirmation: laps the track made go, noted ones are as they were noted. The caller commits."""
    touched = select(Lap).where(Lap.track_file_id == row.id)
    for lap in db.scalars(touched).all():
        was_made = _is_made_by(lap, row)
        laps.settle(lap, {})
        for name in ('drift', 'bounced'):
            if (lap.known_by or {}).get(name) == 'tracked':
                setattr(lap, name, None)
                lap.known_by = {other: how for other, how in lap.known_by.items() if other != name}
        lap.track_file_id = lap.track_event = lap.around = None
        lap.revision += 1
        if was_made and not lap.readings and not lap.marks and not lap.note:
            lap.removed_at = datetime.now(UTC)
            continue
        laps.learn(db, lap)
    row.sortie_id = None
    db.flush()
