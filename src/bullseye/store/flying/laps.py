"""Laps: kept once however often they are sent, removed so that they can come back."""

from __future__ import annotations

import dataclasses
import math
import uuid
from collections.abc import Iterable, Iterator, Mapping, Sequence
from contextlib import contextmanager, nullcontext
from datetime import UTC, datetime, timedelta
from typing import Any

from pydantic import TypeAdapter, ValidationError
from sqlalchemy import select
from sqlalchemy.orm import Session

from bullseye.core.air.wind import true_from_magnetic_deg
from bullseye.core.basis.constants import MODEL_VERSION
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.quantity import CLOCK_IS_WRONG, is_in_range
from bullseye.core.basis.unknown import known_or
from bullseye.core.brief.request import BriefRequest, RefusedRequest, messages
from bullseye.core.explain.diagnosis import flown_lap
from bullseye.core.measure.noted import Noted
from bullseye.core.measure.readings import MEASURES, Measure, Reading, best, by_hand
from bullseye.store.errors import Conflict, NotFound, UnreadableRow
from bullseye.store.flying.judging import MEASURED, LapResult, measured_of, results_of
from bullseye.store.flying.lapwind import airspeed_of
from bullseye.store.flying.requests import SortieSoFar, aim_of_ft, changed_request, flown_request, fly_by, live_request
from bullseye.store.learning.flown import plain_flown
from bullseye.store.people import deeds
from bullseye.store.rows.equipment import RunwayEnd
from bullseye.store.rows.flying import Lap, LapRevision, Sortie
from bullseye.store.rows.people import User

_NOTED = TypeAdapter(Noted)
READINGS = TypeAdapter(dict[str, dict[str, Reading]])
_BY_TRACK: Measure = 'aim_flown_ft'  # only a track, or a correction by hand, tells it
_EDITABLE = (
    *(name for name in MEASURED if name != _BY_TRACK),
    *('wind_dir_deg_true', 'wind_kt', 'gust_kt', 'known_by', 'marks', 'noted', 'note', 'excluded'),
    *('flown_by', 'liftoff_ft'),
)


def of_sortie(db: Session, sortie: Sortie) -> Sequence[Lap]:
    """Laps of a sortie in the order flown."""
    query = select(Lap).where(Lap.sortie_id == sortie.id, Lap.removed_at.is_(None))
    return db.scalars(query.order_by(Lap.flown_at, Lap.id)).all()


def results(db: Session, sortie: Sortie) -> tuple[list[LapResult], list[uuid.UUID]]:
    """Laps of a sortie, scored and explained; and those whose row cannot be read, which stop none of the others."""
    laps = of_sortie(db, sortie)
    judged = results_of(db, laps)
    found = [one for one in judged if one is not None]
    return found, [lap.id for lap, one in zip(laps, judged, strict=True) if one is None]


def result(db: Session, sortie: Sortie, lap_id: uuid.UUID) -> LapResult:
    """One lap of a sortie, scored and explained.

    :raises NotFound: when the sortie has no such lap
    :raises UnreadableRow: when what it was flown by cannot be told any more
    """
    found, unreadable = results(db, sortie)
    for one in found:
        if one.lap.id == lap_id:
            return one
    raise UnreadableRow(f'lap {lap_id} cannot be read') if lap_id in unreadable else NotFound('lap')


@dataclasses.dataclass(frozen=True, slots=True, kw_only=True)
class Writer:
    """Which device writes, its running number of this change, and the revision of the lap it had before it."""

    device: uuid.UUID
    number: int
    had_revision: int | None = None
    sent_at: datetime | None = None  # by the device's own clock


def is_old(lap: Lap, writer: Writer | None) -> bool:
    """Whether a change has been had before, or was followed by a later one of the same device."""
    return writer is not None and lap.writers.get(str(writer.device), 0) >= writer.number


def _flown_at(values: Mapping[str, Any], writer: Writer | None) -> datetime:
    """When a lap was flown; a device whose clock is wrong is put right by its own hour of sending.

    :raises RefusedRequest: when that is no time at which a lap can have been flown
    """
    now = datetime.now(UTC)
    flown_at: datetime = values.get('flown_at') or now
    if writer is not None and writer.sent_at is not None:
        off = now - writer.sent_at
        if abs(off) > CLOCK_IS_WRONG:
            flown_at += off
    if not is_in_range(flown_at):
        problem = InvalidInput('flown_at', flown_at.isoformat(), 'a time from the years 2000 to 2099')
        raise RefusedRequest({'flown_at': str(problem)})
    return flown_at


def _keep_other_version(db: Session, lap: Lap, values: Mapping[str, Any], writer: Writer | None) -> None:
    """Keep what stands when somebody who had not seen it writes over it."""
    if writer is None or writer.had_revision is None or writer.had_revision >= lap.revision:
        return
    if lap.last_device == writer.device:
        return  # its own change, made before it heard of the one before
    stands = {name: getattr(lap, name) for name in _EDITABLE}
    if all(stands[name] == values.get(name) for name in _EDITABLE):
        return
    db.add(
        LapRevision(
            school_id=lap.school_id, lap_id=lap.id, revision=lap.revision, values=stands, written_by=_writer_of(lap)
        )
    )


def _writer_of(lap: Lap) -> int:
    """Who wrote a lap as it stands."""
    return known_or(lap.written_by, lap.recorded_by)


def tell(db: Session, sortie: Sortie, lap: Lap, *, by: User, what: str) -> None:
    """Have it on record that somebody changed or took away what another had written."""
    if _writer_of(lap) == by.id:
        return
    whose = db.scalar(select(User.name).where(User.school_id == lap.school_id, User.id == _writer_of(lap)))
    deeds.note(db, by, 'laps', f'{what} a lap of sortie {sortie.id}, as {known_or(whose, "somebody")} had written it.')


def other_versions(db: Session, written: Iterable[Lap]) -> dict[uuid.UUID, list[LapRevision]]:
    """The kept other versions of laps, newest first; one that was written once has none."""
    found: dict[uuid.UUID, list[LapRevision]] = {}
    lap_ids = [lap.id for lap in written if lap.revision > 1]
    query = select(LapRevision).where(LapRevision.lap_id.in_(lap_ids)).order_by(LapRevision.id.desc())
    for row in db.scalars(query) if lap_ids else ():
        found.setdefault(row.lap_id, []).append(row)
    return found


@dataclasses.dataclass(frozen=True, slots=True)
class LapBatch:
    """Laps that are written in one transaction: those of them that there were, read at once, and those made since."""

    laps: dict[uuid.UUID, Lap]
    so_far: SortieSoFar = dataclasses.field(default_factory=SortieSoFar)

    @classmethod
    def of(cls, db: Session, lap_ids: Sequence[uuid.UUID]) -> LapBatch:
        """Read what there is of these."""
        return cls({lap.id: lap for lap in db.scalars(select(Lap).where(Lap.id.in_(lap_ids)))})

    def has_written(self, lap: Lap, request: BriefRequest | None) -> None:
        """Know a lap, what a new one is flown by, and what it taught."""
        self.laps[lap.id] = lap
        self.so_far.has_written(lap, request)

    @contextmanager
    def one(self, db: Session, lap_id: uuid.UUID) -> Iterator[None]:
        """Write one of them; a refused change leaves it as it was. A new one has nothing to go back to."""
        with db.begin_nested() if lap_id in self.laps else nullcontext():
            yield


def keep(
    db: Session,
    sortie: Sortie,
    *,
    lap_id: uuid.UUID,
    by: User,
    values: Mapping[str, Any],
    writer: Writer | None = None,
    batch: LapBatch | None = None,
) -> int:
    """Write a lap under the id its client made; a removed one comes back.

    The brief it was flown by is fixed when it is first written: the sortie as it is, what the laps before it taught,
    and ``aim_point_ft`` if the pilot aimed elsewhere than worked out. Sending the same again changes nothing.

    The sortie must have been locked, so that laps are written one after another. Laps written ``batch``
    are committed by the caller.

    :return: its revision
    :raises RefusedRequest: with a message for each wrong field
    :raises Conflict: when the id belongs to a lap of another sortie
    """
    lap = batch.laps.get(lap_id) if batch else db.scalar(select(Lap).where(Lap.id == lap_id))
    is_new, request = lap is None, None
    if lap is not None and lap.sortie_id == sortie.id and is_old(lap, writer):
        return lap.revision
    if lap is None:
        request = _request_for(db, sortie, values, batch)
        lap = _new_lap(sortie, lap_id=lap_id, by=by, values=values, flown_at=_flown_at(values, writer))
        fly_by(db, lap, request)
    elif lap.sortie_id != sortie.id:
        raise Conflict('this lap belongs to another sortie')
    another_way = not is_new and _fly_another_way(db, sortie, lap, values, batch)
    flown_by = request or flown_request(db, lap)
    wind_deg_true = _wind_read(lap, values, flown_by)
    _check_gust(values)
    values = {'marks': [], **values, 'wind_dir_deg_true': wind_deg_true, 'noted': plain_noted(values.get('noted'))}
    if not is_new:
        _keep_other_version(db, lap, values, writer)
    changed = another_way or lap.removed_at is not None
    changed |= _write(lap, values)
    settle(lap, _tracked_in_its_wind(lap, flown_by))
    if writer is not None:
        lap.writers = {**(lap.writers or {}), str(writer.device): writer.number}
    if changed:
        lap.last_device = writer.device if writer else None
    if changed and not is_new:
        tell(db, sortie, lap, by=by, what='Changed')
        lap.revision += 1
        lap.written_by = by.id
    lap.removed_at = None
    check_and_learn(db, lap, request, commit=batch is None)
    if changed or is_new:
        _follow_the_wind(db, sortie, lap, batch)
    revision = lap.revision
    db.add(lap)
    if batch is None:
        db.commit()
    else:
        if not is_new:
            db.flush()
        batch.has_written(lap, request)  # new ones go to the database batch, at the latest when it is read
    return revision


_WIND_IS_NOW = timedelta(hours=1)  # [own] after which a wind that was noted on a lap is of another hour


def _follow_the_wind(db: Session, sortie: Sortie, lap: Lap, batch: LapBatch | None) -> None:
    """Take the wind that was read on the latest lap for the wind of the sortie: all that comes is briefed in it."""
    now = datetime.now(UTC)
    is_older = sortie.weather_at is not None and lap.flown_at < sortie.weather_at
    if lap.wind_kt is None or is_older or not timedelta() <= now - lap.flown_at + CLOCK_IS_WRONG <= _WIND_IS_NOW:
        return
    read = (lap.wind_dir_deg_true, lap.wind_kt, lap.gust_kt)
    if read == (sortie.wind_dir_deg_true, sortie.wind_kt, sortie.gust_kt):
        return
    later = select(Lap.id).where(
        Lap.sortie_id == sortie.id, Lap.removed_at.is_(None), Lap.id != lap.id, Lap.flown_at > lap.flown_at
    )
    if db.scalar(later.limit(1)) is not None:
        return
    sortie.wind_dir_deg_true, sortie.wind_kt, sortie.gust_kt = read
    sortie.wind_source, sortie.weather_at = 'sock', lap.flown_at
    if batch is not None:
        batch.so_far.request = None


def _write(lap: Lap, values: Mapping[str, Any]) -> bool:
    """Set what was measured; whether anything is different now."""
    how = {name: one for name, one in (values.get('known_by') or {}).items() if name != _BY_TRACK}
    if _BY_TRACK in (lap.known_by or {}):
        how[_BY_TRACK] = lap.known_by[_BY_TRACK]  # whoever notes a lap tells nothing of it
    values = {**values, 'known_by': how}
    different = [name for name in _EDITABLE if getattr(lap, name, None) != values.get(name)]
    for name in different:
        setattr(lap, name, values.get(name))
    return bool(different)


def readings_of(lap: Lap) -> dict[str, dict[str, Reading]]:
    """What a track and people have read of a lap, by value and by how."""
    return READINGS.validate_python(lap.readings or {})


def _tracked_in_its_wind(lap: Lap, request: BriefRequest) -> Mapping[Measure, Reading] | None:
    """What a track measured of a lap, its airspeed by the wind as it is known now; None of a lap without a track."""
    if (lap.around or {}).get('threshold_groundspeed_kt') is None:
        return None
    readings = readings_of(lap)
    tracked = {measure: readings[measure]['tracked'] for measure in MEASURES if 'tracked' in readings.get(measure, {})}
    tracked.pop('threshold_speed_kias', None)
    speed = airspeed_of(lap, request)
    return tracked if speed is None else {**tracked, 'threshold_speed_kias': speed}


def settle(lap: Lap, tracked: Mapping[Measure, Reading] | None = None) -> None:
    """Let the better known of several readings count, where a track has measured a lap too.

    What a lap holds when this is called is what a person wrote last, and becomes their reading.

    :param tracked: what a track has measured, now
    """
    if not lap.readings and not tracked:
        return
    readings = readings_of(lap)
    known_by = dict(lap.known_by or {})
    for measure in MEASURES:
        of = readings.get(measure, {})
        if tracked is not None:
            of.pop('tracked', None)
            if measure in tracked:
                of['tracked'] = tracked[measure]
        how, value = known_by.get(measure, 'tapped'), getattr(lap, measure)
        if value is None:
            of = {name: one for name, one in of.items() if name == 'tracked'}
        elif how == 'tracked':
            of.pop('corrected', None)  # somebody went back to what was measured
        else:
            if how not in of or of[how].value != value:
                of.pop('corrected', None)  # noted anew after it was corrected
            of[how] = by_hand(measure, value, how)
        counts = best(measure, of)
        setattr(lap, measure, counts.value if counts else None if how == 'tracked' else value)
        if counts:
            known_by[measure] = counts.how
        else:
            known_by.pop(measure, None)
        readings[measure] = of
    lap.known_by = known_by
    lap.readings = READINGS.dump_python({name: of for name, of in readings.items() if of}, mode='json')


def _new_lap(sortie: Sortie, *, lap_id: uuid.UUID, by: User, values: Mapping[str, Any], flown_at: datetime) -> Lap:
    return Lap(
        school_id=sortie.school_id,
        id=lap_id,
        sortie_id=sortie.id,
        student_id=sortie.student_id,
        aircraft_id=sortie.aircraft_id,
        runway_end_id=values.get('runway_end_id') or sortie.runway_end_id,
        flown_at=flown_at,
        revision=1,
        writers={},
        readings={},
        model_version=MODEL_VERSION,
        recorded_by=by.id,
    )


def _request_for(db: Session, sortie: Sortie, values: Mapping[str, Any], batch: LapBatch | None) -> BriefRequest:
    """What a lap is flown by: the sortie as it is, its kind, spot and runway if they are its own, and the aim point."""
    request = live_request(
        db,
        sortie,
        landing=values.get('landing'),
        spot_ft=values.get('spot_ft'),
        runway_end=runway_end(db, values.get('runway_end_id')),
        alone=values.get('alone'),
        so_far=batch.so_far if batch else None,
    )
    if values.get('aim_point_ft') is not None:
        return changed_request(request, {'aim_point_ft': values['aim_point_ft']})
    if request.asked_aim_ft is not None:
        # held within a step of the last, or set by the instructor
        return dataclasses.replace(request, aim_point_ft=request.asked_aim_ft)
    return dataclasses.replace(request, aim_point_ft=aim_of_ft(request))


def runway_end(db: Session, runway_end_id: int | None) -> RunwayEnd | None:
    """A runway end of the school by its number; None for none.

    :raises RefusedRequest: when the school has none of that number
    """
    if runway_end_id is None:
        return None
    row = db.get(RunwayEnd, runway_end_id)
    if row is None or row.removed_at is not None:
        raise RefusedRequest({'runway_end_id': str(InvalidInput('runway_end_id', runway_end_id, 'one of the school'))})
    return row


def plain_noted(noted: Mapping[str, Any] | None) -> dict[str, Any] | None:
    """Calls of a lap as its row keeps them; None of none."""
    if noted is None:
        return None
    found: dict[str, Any] = _NOTED.dump_python(_NOTED.validate_python(noted), mode='json', exclude_none=True)
    return {name: one for name, one in found.items() if one not in ([], {})} or None


def _wind_read(lap: Lap, values: Mapping[str, Any], request: BriefRequest) -> float | None:
    """The direction of the wind as it was read on a lap, true; a magnetic one is turned by the runway's variation."""
    magnetic_deg: float | None = values.get('wind_dir_deg_mag')
    if magnetic_deg is None:
        return None
    true_deg = true_from_magnetic_deg(magnetic_deg=magnetic_deg, variation_deg=request.runway.magnetic_variation_deg)
    # sent again it is the same reading, however its last digits are rounded on the way
    known_deg = lap.wind_dir_deg_true
    return known_deg if known_deg is not None and math.isclose(known_deg, true_deg, abs_tol=1e-6) else true_deg


def _check_gust(values: Mapping[str, Any]) -> None:
    wind_kt, gust_kt = values.get('wind_kt'), values.get('gust_kt')
    if gust_kt is not None and (wind_kt is None or gust_kt < wind_kt):
        accepted = 'a gust with its wind' if wind_kt is None else f'at least the steady wind, {wind_kt:g}'
        raise RefusedRequest({'gust_kt': str(InvalidInput('gust_kt', gust_kt, accepted))})


def _fly_another_way(db: Session, sortie: Sortie, lap: Lap, values: Mapping[str, Any], batch: LapBatch | None) -> bool:
    """Put right what a lap was flown by: its kind, its spot, the aim point; whether anything is different now."""
    landing, spot_ft, end_id = values.get('landing'), values.get('spot_ft'), values.get('runway_end_id')
    another = landing not in (None, lap.landing) or spot_ft not in (None, lap.spot_ft)
    another |= values.get('alone') not in (None, (lap.conditions or {}).get('alone', False))
    if another or end_id not in (None, lap.runway_end_id):
        values = {
            **values,
            'landing': landing or lap.landing,
            'spot_ft': lap.spot_ft if spot_ft is None else spot_ft,
            'runway_end_id': end_id or lap.runway_end_id,
        }
        # what the other kind is flown by is worked out anew; the lap's own weather and weight stay
        request = _request_for(db, sortie, values, batch)
        was = flown_request(db, lap)
        fly_by(db, lap, dataclasses.replace(request, weather=was.weather, weight_lb=was.weight_lb))
        lap.runway_end_id = values['runway_end_id']
        return True
    aim_ft = values.get('aim_point_ft')
    if aim_ft is None or aim_ft == lap.aim_point_ft:
        return False
    lap.aim_point_ft = aim_ft
    return True


def check_and_learn(db: Session, lap: Lap, request: BriefRequest | None = None, *, commit: bool) -> None:
    """Keep a lap and what it teaches; with ``commit``, for good."""
    try:
        learn(db, lap, request)
    except RefusedRequest:
        if commit:
            db.rollback()
        raise


def learn(db: Session, lap: Lap, request: BriefRequest | None = None) -> None:
    """Check the measured values and set aside what learning takes from them, by today's model.

    :param request: what the lap is flown by, for one who has it at hand
    """
    try:
        request = request or flown_request(db, lap)
        measured = measured_of(lap, request)
    except ValidationError as error:
        raise RefusedRequest(messages(error)) from None
    flown = flown_lap(measured, request)
    lap.flown = None if flown is None or lap.excluded else plain_flown(flown)
    lap.model_version = MODEL_VERSION
