"""Lists of sorties: of a day, of a person, by what is looked for; a page at a time, each read by index."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from functools import cache
from typing import Any, Literal, get_args

from sqlalchemy import ColumnElement, RowMapping, Select, and_, exists, false, func, or_, select, tuple_
from sqlalchemy.orm import Session, aliased

from bullseye.core.basis.kinds import LandingKind
from bullseye.store.people.roles import may_coach
from bullseye.store.rows.equipment import Aircraft, Airfield, RunwayEnd, Standard
from bullseye.store.rows.flying import Lap, Sortie
from bullseye.store.rows.people import User

PAGE = 60
_MOST_NAMES = 400  # [own] people that one word may mean
State = Literal['planned', 'flown', 'cancelled']
LINE = (
    *('id', 'planned_on', 'planned_time', 'booked_min', 'cancelled_for', 'student_id', 'instructor_id', 'aircraft_id'),
    *('runway_end_id', 'standard_id', 'landing', 'weather_at', 'wind_dir_deg_true', 'wind_kt', 'gust_kt'),
    *('temperature_c', 'qnh_hpa', 'is_mock_test'),
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Wanted:
    """What is looked for; None or empty does not narrow."""

    words: tuple[str, ...] = ()  # each must be in a name, a field, an aircraft or the kind of landing
    first_day: date | None = None
    last_day: date | None = None
    student_id: int | None = None
    instructor_id: int | None = None
    aircraft_id: int | None = None
    landing: LandingKind | None = None
    state: State | None = None
    oldest_first: bool = False


@dataclass(frozen=True, slots=True)
class Page:
    """Some sorties, and the key after which the next page begins; None on the last."""

    rows: Sequence[RowMapping]
    after: tuple[date, int] | None


def page(db: Session, person: User, wanted: Wanted, *, after: tuple[date, int] | None = None, most: int = PAGE) -> Page:
    """A page of the sorties that a person may read, by day and number.

    :param after: the key of the last one read; pages are neither skipped nor repeated when others are made meanwhile
    """
    key = tuple_(Sortie.planned_on, Sortie.id)
    query = _lines().where(*_where(db, person, wanted))
    if after is not None:
        query = query.where(key > after if wanted.oldest_first else key < after)
    order = (Sortie.planned_on, Sortie.id)
    query = query.order_by(*(order if wanted.oldest_first else (one.desc() for one in order))).limit(most + 1)
    rows = db.execute(query).mappings().all()
    last = rows[most - 1] if len(rows) > most else None
    return Page(rows[:most], None if last is None else (last['planned_on'], last['id']))


def days(db: Session, person: User, wanted: Wanted) -> Sequence[RowMapping]:
    """How many sorties each day has: planned, flown, cancelled; days without any are left out."""
    is_flown = _is_flown()
    query = (
        select(
            Sortie.planned_on,
            func.count().filter(Sortie.cancelled_for.is_(None), ~is_flown).label('planned'),
            func.count().filter(is_flown).label('flown'),
            func.count().filter(Sortie.cancelled_for.is_not(None)).label('cancelled'),
        )
        .where(*_where(db, person, wanted))
        .group_by(Sortie.planned_on)
        .order_by(Sortie.planned_on)
    )
    return db.execute(query).mappings().all()


def _where(db: Session, person: User, wanted: Wanted) -> list[ColumnElement[bool]]:
    found: list[ColumnElement[bool]] = [Sortie.school_id == person.school_id, Sortie.removed_at.is_(None)]
    if not may_coach(person):
        found.append(Sortie.student_id == person.id)
    if wanted.first_day is not None:
        found.append(Sortie.planned_on >= wanted.first_day)
    if wanted.last_day is not None:
        found.append(Sortie.planned_on <= wanted.last_day)
    for name in ('student_id', 'instructor_id', 'aircraft_id', 'landing'):
        if (value := getattr(wanted, name)) is not None:
            found.append(getattr(Sortie, name) == value)
    if wanted.state == 'cancelled':
        found.append(Sortie.cancelled_for.is_not(None))
    elif wanted.state is not None:
        flown = _is_flown()
        found.append(flown if wanted.state == 'flown' else and_(~flown, Sortie.cancelled_for.is_(None)))
    return [*found, *(_says(db, word) for word in wanted.words)]


def _is_flown() -> ColumnElement[bool]:
    laps = (Lap.school_id == Sortie.school_id, Lap.sortie_id == Sortie.id, Lap.removed_at.is_(None))
    return exists().where(*laps)


def _says(db: Session, word: str) -> ColumnElement[bool]:
    """Whether a word stands in what a line shows.

    Names are looked up first, in their own small tables: what is then asked of the sorties is by number, and each of
    the numbers has an index.
    """
    people = db.scalars(select(User.id).where(User.name.icontains(word, autoescape=True)).limit(_MOST_NAMES)).all()
    aircraft = db.scalars(select(Aircraft.id).where(Aircraft.name.icontains(word, autoescape=True))).all()
    ends = db.scalars(
        select(RunwayEnd.id)
        .join(RunwayEnd.airfield)
        .where(
            or_(
                RunwayEnd.ident == word.upper(),
                Airfield.name.icontains(word, autoescape=True),
                Airfield.ident.icontains(word, autoescape=True),
            )
        )
    ).all()
    kinds = [kind for kind in get_args(LandingKind) if word.lower().replace('-', '_') in kind]
    # an arm that nothing was found for would keep the others from their indexes
    arms = [
        (Sortie.student_id, people),
        (Sortie.instructor_id, people),
        (Sortie.aircraft_id, aircraft),
        (Sortie.runway_end_id, ends),
        (Sortie.landing, kinds),
    ]
    return or_(false(), *(one.in_(found) for one, found in arms if found))


@cache
def _lines() -> Select[Any]:
    """What a list shows and no more: whole aircraft and runways would be most of the work. Made once."""
    student, instructor = aliased(User), aliased(User)
    flown = (
        select(func.count())
        .select_from(Lap)
        .where(Lap.school_id == Sortie.school_id, Lap.sortie_id == Sortie.id, Lap.removed_at.is_(None))
        .scalar_subquery()
    )
    # looked up for each of the lines shown: a join would make the planner go through more than those
    standard = (
        select(Standard.name)
        .where(Standard.school_id == Sortie.school_id, Standard.id == Sortie.standard_id)
        .scalar_subquery()
    )
    return (
        select(
            *(getattr(Sortie, name) for name in LINE),
            student.name.label('student_name'),
            instructor.name.label('instructor_name'),
            Aircraft.name.label('aircraft_name'),
            standard.label('standard_name'),
            RunwayEnd.ident.label('runway_ident'),
            RunwayEnd.spec['magnetic_variation_deg'].as_float().label('magnetic_variation_deg'),
            Airfield.name.label('airfield'),
            Airfield.is_fictional.label('airfield_is_fictional'),
            flown.label('laps'),
        )
        .join(student, Sortie.student.of_type(student))
        .join(instructor, Sortie.instructor.of_type(instructor))
        .join(Sortie.aircraft)
        .join(Sortie.runway_end)
        .join(RunwayEnd.airfield)
    )
