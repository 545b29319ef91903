"""Filling a database with the made-up school: people with habits, past sorties, and today's."""

from __future__ import annotations

import uuid
from dataclasses import dataclass, replace
from datetime import UTC, date, datetime, time, timedelta

import numpy as np
from sqlalchemy import exists, func, select, update
from sqlalchemy.orm import Session

from bullseye.core.air.wind import true_from_magnetic_deg
from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.setup import landing_setup
from bullseye.core.model.touchdown import predict
from bullseye.demo.examples import add_fleet
from bullseye.store import scope
from bullseye.store.equipment import catalogue
from bullseye.store.flying import laps
from bullseye.store.flying.requests import request_of
from bullseye.store.people import joining
from bullseye.store.rows.equipment import Aircraft, RunwayEnd, Standard, Technique
from bullseye.store.rows.flying import Lap, Sortie
from bullseye.store.rows.installation import Installation
from bullseye.store.rows.people import School, User

PASSWORD = 'lantern-bay-demo'  # noqa: S105  (printed at the start; the demo holds nothing of anybody)
_DOMAIN = 'lantern-bay.example'


@dataclass(frozen=True, slots=True, kw_only=True)
class Habit:
    """How a made-up student flies: bias and scatter of the touchdown, of the speed, and knots added in gusts."""

    name: str
    bias_ft: float
    scatter_ft: float
    speed_kt: float
    speed_scatter_kt: float
    gust_kt: float
    float_extra_s: float
    drift_chance: float


HABITS = (
    Habit(
        name='Ines Carvalho',
        bias_ft=190,
        scatter_ft=55,
        speed_kt=0.5,
        speed_scatter_kt=1.0,
        gust_kt=0,
        float_extra_s=1.4,
        drift_chance=0.1,
    ),
    Habit(
        name='Tobias Lund',
        bias_ft=10,
        scatter_ft=60,
        speed_kt=1,
        speed_scatter_kt=1.2,
        gust_kt=6,
        float_extra_s=0,
        drift_chance=0.3,
    ),
    Habit(
        name='Priya Raman',
        bias_ft=20,
        scatter_ft=190,
        speed_kt=0,
        speed_scatter_kt=4,
        gust_kt=1,
        float_extra_s=0,
        drift_chance=0.4,
    ),
    Habit(
        name='Owen Fairbairn',
        bias_ft=-10,
        scatter_ft=35,
        speed_kt=0,
        speed_scatter_kt=0.8,
        gust_kt=0,
        float_extra_s=0,
        drift_chance=0.0,
    ),
)

# student, days ago, instructor, landing, standard, wind from (magnetic), wind, gust, laps
_PAST = (
    (0, 9, 0, 'normal', 'US private', 40, 6, None, 6),
    (0, 3, 0, 'normal', 'US private', 70, 8, None, 6),
    (1, 8, 1, 'normal', 'US private', 60, 7, None, 5),
    (1, 2, 1, 'normal', 'US private', 30, 11, 19, 6),
    (2, 5, 0, 'normal', 'US private', 50, 5, None, 7),
    (3, 6, 1, 'short_field', 'US commercial', 45, 9, None, 6),
    (3, 1, 1, 'power_off', 'US commercial', 55, 7, None, 6),
)
_TODAY = (
    (0, 0, 'normal', 'US private', 70, 9, None),
    (1, 1, 'normal', 'US private', 30, 12, 20),
    (2, 0, 'short_field', 'US private', 50, 6, None),
    (3, 1, 'power_off', 'US commercial', 60, 8, None),
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Cast:
    """Who and what the made-up sorties are flown with."""

    school: School
    instructors: tuple[User, ...]
    students: tuple[User, ...]
    aircraft: Aircraft
    end: RunwayEnd
    standards: dict[str, Standard]


def seed(db: Session, *, today: date, with_history: bool = False) -> bool:
    """Fill a database with the demo school, once in its life.

    :param with_history: with the months before, which take some seconds
    :return: whether it did
    """
    installation = db.get(Installation, 1, with_for_update=True) or Installation(id=1)
    if installation.demo_seeded_at is not None:
        return False
    cast = _cast(db)
    rng = np.random.default_rng(160)
    for student, days, instructor, landing, standard, wind_from, wind_kt, gust_kt, count in _PAST:
        sortie = plan_sortie(
            db,
            cast,
            people=(student, instructor),
            planned_on=today - timedelta(days=days),
            standard=standard,
            landing=landing,
            wind=(wind_from, wind_kt, gust_kt),
        )
        for number in range(count):
            _fly(db, sortie, habit=HABITS[student], by=cast.instructors[instructor], number=number, rng=rng)
    recorded = plan_sortie(
        db,
        cast,
        people=(3, 0),
        planned_on=today - timedelta(days=4),
        standard='US commercial',
        landing='normal',
        wind=(70, 6, None),
    )
    from bullseye.demo import flights  # here: the simulator is needed once in the life of a database

    flights.add_recorded_flight(db, recorded, by=cast.instructors[0])
    for student, instructor, landing, standard, wind_from, wind_kt, gust_kt in _TODAY:
        plan_sortie(
            db,
            cast,
            people=(student, instructor),
            planned_on=today,
            standard=standard,
            landing=landing,
            wind=(wind_from, wind_kt, gust_kt),
        )
    if with_history:
        from bullseye.demo import history

        history.add_history(db, cast, today=today)
    installation.demo_seeded_at = datetime.now(UTC)
    db.add(installation)
    db.commit()
    return True


def _cast(db: Session) -> Cast:
    """Make the school, its people, its fleet and its fields."""
    school = School(name='Lantern Bay Flying School', is_demo=True, crosswind_limit_kt=8)
    db.add(school)
    db.flush()
    scope.bind(db, school.id)
    catalogue.add_built_in(db, school)
    techniques = catalogue.all_techniques(db)
    known_to_all = joining.hash_of(PASSWORD)

    def person(name: str, role: str, technique: Technique | None = None) -> User:
        login = f'{name.split(maxsplit=1)[0].lower()}@{_DOMAIN}'
        found = joining.add(
            db, school=school, login=login, name=name, role=role, password=PASSWORD, password_hash=known_to_all
        )
        found.technique_id = technique.id if technique else None
        return found

    instructors = (
        person('Marta Kowalczyk', 'chief', techniques[0]),
        person('Elias Brandt', 'instructor', techniques[2]),
    )
    students = tuple(person(habit.name, 'student') for habit in HABITS)
    students[0].crosswind_limit_kt = 6
    students[3].crosswind_limit_kt = 12
    add_fleet(db, school)
    return Cast(
        school=school,
        instructors=instructors,
        students=students,
        aircraft=catalogue.all_aircraft(db)[0],
        end=next(e for field in catalogue.all_airfields(db) for e in field.ends if e.ident == '05'),
        standards={row.name: row for row in catalogue.all_standards(db)},
    )


def bring_forward(db: Session, *, today: date) -> None:
    """Move demo sorties that nobody has touched to today, so that there is always something to fly."""
    scope.see_every_school(db)
    flown = exists(select(Lap.id).where(Lap.sortie_id == Sortie.id))
    db.execute(
        update(Sortie)
        .where(Sortie.from_demo, Sortie.planned_on < today, ~flown)
        .values(planned_on=today, weather_at=func.now())
        .execution_options(synchronize_session=False)
    )
    db.commit()


def plan_sortie(
    db: Session,
    cast: Cast,
    *,
    people: tuple[int, int],
    planned_on: date,
    standard: str,
    landing: str,
    wind: tuple[float, float, float | None] | None,
) -> Sortie:
    """A sortie of a student with an instructor, by their places in the cast; the wind's direction is magnetic.

    None is a wind that nobody has given.
    """
    instructor = cast.instructors[people[1]]
    from_deg_mag, wind_kt, gust_kt = wind or (None, None, None)
    sortie = Sortie(
        school_id=cast.school.id,
        planned_on=planned_on,
        student_id=cast.students[people[0]].id,
        instructor_id=instructor.id,
        aircraft_id=cast.aircraft.id,
        runway_end_id=cast.end.id,
        standard_id=cast.standards[standard].id,
        technique_id=instructor.technique_id,
        landing=landing,
        flap='full',
        weight_lb=2_180,
        spot_ft=600,
        wind_dir_deg_true=None
        if from_deg_mag is None
        else true_from_magnetic_deg(
            magnetic_deg=from_deg_mag, variation_deg=catalogue.runway_of(cast.end).magnetic_variation_deg
        ),
        wind_kt=wind_kt,
        gust_kt=gust_kt,
        temperature_c=14,
        qnh_hpa=1_016,
        weather_at=None if wind is None else datetime.now(UTC),
        from_demo=True,
    )
    db.add(sortie)
    db.flush()
    return sortie


def _fly(db: Session, sortie: Sortie, *, habit: Habit, by: User, number: int, rng: np.random.Generator) -> None:
    """One lap as this student would fly it: the aim of an uncalibrated brief, with the habit on top."""
    request = request_of(sortie)
    brief = make_brief(request)
    approach = landing_setup(request).approach
    gusting = habit.gust_kt if sortie.gust_kt is not None else 0.0
    off_kt = habit.speed_kt + gusting + habit.speed_scatter_kt * float(rng.normal())
    flown = replace(
        approach, speed_ktas=approach.speed_ktas + off_kt, deceleration_fps2=approach.deceleration_fps2 * 0.96
    )
    touch = predict(flown)
    along_ft = brief.aim.aim_point_ft + touch.touchdown_ft + habit.bias_ft + habit.scatter_ft * float(rng.normal())
    drifted = rng.random() < habit.drift_chance
    lap_id = uuid.UUID(bytes=rng.bytes(16), version=4)
    values = {
        'flown_at': datetime.combine(sortie.planned_on, time(14), UTC) + timedelta(minutes=6 * number),
        'outcome': 'touch_and_go',
        'along_ft': float(round(along_ft, -1)),
        'lateral_ft': float(round(rng.normal() * 5)),
        'threshold_speed_kias': float(round(brief.speed.approach_speed_kias + off_kt)),
        'float_s': float(round(max(0.5, touch.float_s + habit.float_extra_s + 0.3 * rng.normal()), 1)),
        'drift': ('right' if rng.random() < 0.5 else 'left') if drifted else 'none',
        'bounced': bool(rng.random() < 0.05),
        'ballooned': bool(off_kt > 4),
        'aim_point_ft': brief.aim.aim_point_ft,
        'known_by': {'along_ft': 'tapped', 'float_s': 'timed', 'threshold_speed_kias': 'read'},
    }
    laps.keep(db, sortie, lap_id=lap_id, by=by, values=values)
