"""A person's logbook: lines drafted from sorties, kept, read by page, taken out and in."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import UTC, date, datetime
from typing import Any

from pydantic import TypeAdapter
from sqlalchemy import func, select, tuple_
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from bullseye.core.air.sun import is_night
from bullseye.core.record.logbook import LogLine
from bullseye.store.equipment import catalogue
from bullseye.store.errors import Conflict, NotAllowed, NotFound
from bullseye.store.flying import laps
from bullseye.store.people.roles import may_coach
from bullseye.store.rows.flying import Lap, Sortie
from bullseye.store.rows.people import User
from bullseye.store.rows.record import LogEntry
from bullseye.store.rows.tracks import TrackFile
from bullseye.tracks.events import read_report

_LINE = TypeAdapter(LogLine)
PAGE = 50
MOST = 5_000  # [own] lines that are taken out or summed at once


def require_own(person: User, owner: User) -> None:
    """A logbook is its owner's; instructors may read those of students."""
    if person.id != owner.id and not (may_coach(person) and owner.role == 'student'):
        raise NotFound('logbook')


def draft(db: Session, sortie: Sortie, person: User) -> LogLine:
    """The line that a sortie makes in a person's logbook; what nobody knows is left empty, to be asked.

    :raises NotFound: when the person was not aboard
    """
    if person.id not in (sortie.student_id, sortie.instructor_id):
        raise NotFound('sortie')
    flown = [lap for lap in laps.of_sortie(db, sortie) if lap.outcome != 'drill']
    is_student = person.id == sortie.student_id
    other = sortie.instructor if is_student else sortie.student
    aircraft = catalogue.aircraft_of(sortie.aircraft)
    landed = [lap for lap in flown if lap.outcome in ('full_stop', 'touch_and_go', 'stop_and_go')]
    by_night = sum(_is_night(sortie, lap) for lap in landed)
    # a lap that ended with the wheels rolling on went on with a takeoff; the last one tells whether all are known
    ended = bool(flown) and flown[-1].outcome == 'full_stop'
    field = sortie.runway_end.airfield.ident
    exercises = dict.fromkeys(lap.landing.replace('_', '-') for lap in landed)
    return LogLine(
        flown_on=sortie.planned_on,
        aircraft=aircraft.name,
        registration=aircraft.particulars.registration,
        from_field=field,
        to_field=field if ended else None,
        role='dual' if is_student else 'instructor',
        with_person=other.name,
        flight_min=_flight_min(db, sortie),
        takeoffs_day=len(landed) - by_night if ended else None,
        takeoffs_night=by_night if ended else None,
        landings_day=len(landed) - by_night if flown else None,
        landings_night=by_night if flown else None,
        exercises=tuple(exercises),
    )


def _is_night(sortie: Sortie, lap: Lap) -> bool:
    end = sortie.runway_end
    return is_night(lat_deg=end.threshold_lat_deg, lon_deg=end.threshold_lon_deg, at=lap.flown_at)


def _flight_min(db: Session, sortie: Sortie) -> int | None:
    """From the first takeoff to the last touchdown, where a recording tells both."""
    row = db.scalar(
        select(TrackFile)
        .where(
            TrackFile.school_id == sortie.school_id,
            TrackFile.sortie_id == sortie.id,
            TrackFile.removed_at.is_(None),
            TrackFile.state == 'done',
        )
        .limit(1)
    )
    if row is None or row.report is None:
        return None
    events = read_report(row.report).events
    took_off = [one.time_s for one in events if one.kind == 'takeoff']
    landed = [one.time_s for one in events if one.kind == 'touchdown']
    if not took_off or not landed or landed[-1] <= took_off[0]:
        return None
    return round((landed[-1] - took_off[0]) / 60)


def keep(db: Session, owner: User, *, by: User, line: LogLine, sortie_id: int | None = None) -> LogEntry:
    """Write a line into a logbook.

    :raises NotAllowed: for anybody but its owner
    :raises Conflict: when the same flight stands in it already
    """
    if by.id != owner.id:
        raise NotAllowed('only its owner writes in a logbook')
    if sortie_id is not None:
        sortie = db.get(Sortie, sortie_id)
        if sortie is None or owner.id not in (sortie.student_id, sortie.instructor_id):
            raise NotFound('sortie')
    found = _insert(db, owner, [line], sortie_id)
    if not found:
        raise Conflict('this flight stands in the logbook already')
    db.commit()
    return db.get_one(LogEntry, found[0])


def _insert(db: Session, owner: User, lines: Sequence[LogLine], sortie_id: int | None = None) -> list[int]:
    """Write lines that are not there yet; the numbers of those written."""
    rows = [
        {
            'school_id': owner.school_id,
            'person_id': owner.id,
            'sortie_id': sortie_id,
            'flown_on': line.flown_on,
            'digest': line.digest,
            'spec': _LINE.dump_python(line, mode='json'),
        }
        for line in lines
    ]
    if not rows:
        return []
    once = insert(LogEntry).on_conflict_do_nothing(
        index_elements=['school_id', 'person_id', 'digest'], index_where=LogEntry.removed_at.is_(None)
    )
    return list(db.scalars(once.returning(LogEntry.id), rows))


def take_in(db: Session, owner: User, *, by: User, lines: Sequence[LogLine]) -> tuple[int, int]:
    """Write lines of a file; how many were new, and how many were there already."""
    if by.id != owner.id:
        raise NotAllowed('only its owner writes in a logbook')
    written = _insert(db, owner, lines)
    db.commit()
    return len(written), len(lines) - len(written)


def remove(db: Session, owner: User, entry_id: int, *, by: User) -> None:
    """Take a line away."""
    row = db.get(LogEntry, entry_id) if 0 < entry_id < 2**31 else None
    if row is None or row.person_id != owner.id or row.removed_at is not None:
        raise NotFound('line')
    if by.id != owner.id:
        raise NotAllowed('only its owner writes in a logbook')
    row.removed_at = datetime.now(UTC)
    db.commit()


def bring_back(db: Session, owner: User, entry_id: int, *, by: User) -> None:
    """Bring a line back that was taken away, with the sortie it was of.

    :raises Conflict: when the same flight was written again meanwhile
    """
    row = db.get(LogEntry, entry_id) if 0 < entry_id < 2**31 else None
    if row is None or row.person_id != owner.id or by.id != owner.id:
        raise NotFound('line')
    row.removed_at = None
    try:
        db.commit()
    except IntegrityError:
        db.rollback()
        raise Conflict('this flight stands in the logbook already') from None


def entries(
    db: Session,
    owner: User,
    *,
    first_day: date | None = None,
    last_day: date | None = None,
    after: tuple[date, int] | None = None,
    most: int = PAGE,
) -> tuple[list[tuple[int, LogLine]], tuple[date, int] | None]:
    """A page of a logbook, latest first, and the key after which the next begins; None on the last."""
    query = select(LogEntry.id, LogEntry.flown_on, LogEntry.spec).where(
        LogEntry.school_id == owner.school_id, LogEntry.person_id == owner.id, LogEntry.removed_at.is_(None)
    )
    if first_day is not None:
        query = query.where(LogEntry.flown_on >= first_day)
    if last_day is not None:
        query = query.where(LogEntry.flown_on <= last_day)
    if after is not None:
        query = query.where(tuple_(LogEntry.flown_on, LogEntry.id) < after)
    rows = db.execute(query.order_by(LogEntry.flown_on.desc(), LogEntry.id.desc()).limit(most + 1)).all()
    last = rows[most - 1] if len(rows) > most else None
    found = [(row.id, _LINE.validate_python(row.spec)) for row in rows[:most]]
    return found, None if last is None else (last.flown_on, last.id)


def not_written(db: Session, owner: User, *, most: int = 20) -> Sequence[Any]:
    """Flown sorties of a person that stand in no line yet, latest first."""
    aboard = Sortie.student_id if owner.role == 'student' else Sortie.instructor_id
    there = (
        select(LogEntry.id)
        .where(
            LogEntry.school_id == Sortie.school_id,
            LogEntry.sortie_id == Sortie.id,
            LogEntry.person_id == owner.id,
            LogEntry.removed_at.is_(None),
        )
        .exists()
    )
    flown = (
        select(func.count())
        .select_from(Lap)
        .where(Lap.school_id == Sortie.school_id, Lap.sortie_id == Sortie.id, Lap.removed_at.is_(None))
        .scalar_subquery()
    )
    # the latest sorties alone are looked at: what is older than a page of them is written by hand
    latest = (
        select(Sortie.id)
        .where(Sortie.school_id == owner.school_id, aboard == owner.id, Sortie.removed_at.is_(None))
        .order_by(Sortie.planned_on.desc(), Sortie.id.desc())
        .limit(60)
        .subquery()
    )
    query = (
        select(Sortie.id, Sortie.planned_on, flown.label('laps'))
        .join(latest, latest.c.id == Sortie.id)
        .where(Sortie.school_id == owner.school_id, ~there, flown > 0)
        .order_by(Sortie.planned_on.desc(), Sortie.id.desc())
        .limit(most)
    )
    return db.execute(query).all()
