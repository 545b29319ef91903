"""Sorties: who may see them, making and changing them."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from datetime import date
from functools import cache
from typing import Any, Literal

from sqlalchemy import RowMapping, Select, func, select
from sqlalchemy.orm import Session, aliased, joinedload

from bullseye.core.air.wind import given_direction_deg_true
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.brief.landing import make_brief
from bullseye.core.given.aircraft import Aircraft as CoreAircraft
from bullseye.core.given.technique import usual_flap
from bullseye.store import catalogue
from bullseye.store.base import SchoolOwned
from bullseye.store.errors import NotAllowed, NotFound
from bullseye.store.models import Aircraft, Airfield, Lap, RunwayEnd, Sortie, Standard, Technique, User
from bullseye.store.requests import Choices, request_of

Right = Literal['read', 'coach']
_PAGE = 60
LINE = (
    *('id', 'planned_on', 'student_id', 'instructor_id', 'aircraft_id', 'runway_end_id', 'standard_id', 'landing'),
    *('wind_dir_deg_true', 'wind_kt', 'gust_kt', 'temperature_c', 'qnh_hpa'),
)
_CHOICES: dict[str, tuple[type[SchoolOwned], str]] = {
    'student_id': (User, 'student'),
    'instructor_id': (User, 'instructor'),
    'aircraft_id': (Aircraft, 'aircraft'),
    'runway_end_id': (RunwayEnd, 'runway end'),
    'standard_id': (Standard, 'standard'),
    'technique_id': (Technique, 'technique'),
}


def may_coach(person: User) -> bool:
    """Whether a person writes sorties and laps of the school."""
    return person.role in ('chief', 'instructor')


def require_coach(person: User) -> None:
    """Settle the right to write before anything is computed.

    :raises NotAllowed: for a student
    """
    if not may_coach(person):
        raise NotAllowed('only an instructor may do this')


def visible(person: User) -> Select[Sortie]:
    """Sorties a person may read: a student their own, an instructor the school's."""
    return _whole() if may_coach(person) else _whole().where(Sortie.student_id == person.id)


@cache
def _whole() -> Select[Sortie]:
    """A sortie with all it chose; made once, since putting it together takes longer than the database does."""
    return select(Sortie).options(
        joinedload(Sortie.school),
        joinedload(Sortie.student),
        joinedload(Sortie.instructor),
        joinedload(Sortie.aircraft),
        joinedload(Sortie.runway_end).joinedload(RunwayEnd.airfield),
        joinedload(Sortie.standard),
        joinedload(Sortie.technique),
    )


def list_for(db: Session, person: User) -> Sequence[RowMapping]:
    """The latest sorties a person may read, newest day first, a line each with its number of laps."""
    query = _lines() if may_coach(person) else _lines().where(Sortie.student_id == person.id)
    return db.execute(query).mappings().all()


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
    return (
        select(
            *(getattr(Sortie, name) for name in LINE),
            student.name.label('student_name'),
            instructor.name.label('instructor_name'),
            Aircraft.name.label('aircraft_name'),
            Standard.name.label('standard_name'),
            RunwayEnd.ident.label('runway_ident'),
            RunwayEnd.spec['magnetic_variation_deg'].as_float().label('magnetic_variation_deg'),
            Airfield.name.label('airfield'),
            Airfield.is_fictional.label('airfield_is_fictional'),
            flown.label('laps'),
        )
        .join(student, Sortie.student.of_type(student))
        .join(instructor, Sortie.instructor.of_type(instructor))
        .join(Sortie.aircraft)
        .join(Sortie.standard)
        .join(Sortie.runway_end)
        .join(RunwayEnd.airfield)
        .order_by(Sortie.planned_on.desc(), Sortie.id.desc())
        .limit(_PAGE)
    )


def find(db: Session, sortie_id: int, *, person: User, right: Right = 'read', lock: bool = False) -> Sortie:
    """A sortie by its number.

    :raises NotFound: when it is absent, of another school, or of another student
    :raises NotAllowed: when the person may read but not write it
    """
    if not 0 < sortie_id < 2**31:
        raise NotFound('sortie')
    query = visible(person).where(Sortie.id == sortie_id)
    found = db.scalar(query.with_for_update(of=Sortie) if lock else query)
    if found is None:
        raise NotFound('sortie')
    if right == 'coach':
        require_coach(person)
    return found


def _check_choices(db: Session, values: Mapping[str, Any]) -> None:
    """Refuse a choice that is not the school's; in another school's eyes it does not exist."""
    for field, (model, what) in _CHOICES.items():
        if field in values:
            row = db.get(model, values[field]) if 0 < values[field] < 2**31 else None
            if row is None or getattr(row, 'removed_at', None) is not None:
                raise InvalidInput(field, values[field], f'one of the school ({what} not found)')
            if field == 'instructor_id' and isinstance(row, User) and not may_coach(row):
                raise InvalidInput(field, values[field], 'an instructor')


def usual_weight_lb(aircraft: CoreAircraft) -> float:
    """Two people and half the fuel: about two thirds of the way from empty to maximum, in tens [own]."""
    return round(aircraft.empty_weight_lb + (aircraft.max_weight_lb - aircraft.empty_weight_lb) * 2 / 3, -1)


def _with_true_wind(db: Session, values: Mapping[str, Any], *, runway_end_id: int) -> dict[str, Any]:
    """Values of a sortie with the wind's direction true, and which north it was given by.

    :raises InvalidInput: when it is given twice
    """
    found = dict(values)
    if not {'wind_dir_deg_mag', 'wind_dir_deg_true'} & found.keys():
        return found
    row = db.get(RunwayEnd, runway_end_id) if 0 < runway_end_id < 2**31 else None
    if row is None:
        raise InvalidInput('runway_end_id', runway_end_id, 'one of the school (runway end not found)')
    magnetic_deg = found.pop('wind_dir_deg_mag', None)
    found['wind_dir_deg_true'] = given_direction_deg_true(
        wind_dir_deg_true=found.get('wind_dir_deg_true'),
        wind_dir_deg_mag=magnetic_deg,
        variation_deg=catalogue.runway_of(row).magnetic_variation_deg,
    )
    return found | {'wind_reference': 'true' if magnetic_deg is None else 'magnetic'}


def create(db: Session, *, by: User, values: Mapping[str, Any]) -> Sortie:
    """Make a sortie; what is not given takes the usual value.

    :raises InvalidInput: naming the wrong field
    :raises NotAllowed: for a student
    """
    require_coach(by)
    filled: dict[str, Any] = {'instructor_id': by.id, 'planned_on': date.today(), **values}
    if filled.get('technique_id') is None:
        ours = [row.id for row in catalogue.all_techniques(db)]
        if not ours:
            raise InvalidInput('technique_id', None, 'a technique: the school has none yet, make one first')
        filled['technique_id'] = by.technique_id or ours[0]
    _check_choices(db, filled)
    filled = _with_true_wind(db, filled, runway_end_id=filled['runway_end_id'])
    aircraft = catalogue.aircraft_of(db.get_one(Aircraft, filled['aircraft_id']))
    if filled.get('flap') is None:
        technique = catalogue.technique_of(db.get_one(Technique, filled['technique_id']))
        filled['flap'] = usual_flap([flap.name for flap in aircraft.flaps], filled['landing'], technique)
    if filled.get('weight_lb') is None:
        filled['weight_lb'] = usual_weight_lb(aircraft)
    if filled.get('spot_ft') is None:
        runway = catalogue.runway_of(db.get_one(RunwayEnd, filled['runway_end_id']))
        filled['spot_ft'] = float(min(500.0, round(runway.landing_distance_available_ft / 3, -1)))
    sortie = Sortie(school_id=by.school_id, **filled)
    return _keep(db, sortie, by=by)


def change(db: Session, sortie: Sortie, *, by: User, values: Mapping[str, Any]) -> Sortie:
    """Change a sortie. Laps already flown keep the brief they were flown by."""
    require_coach(by)
    values = _with_true_wind(db, values, runway_end_id=values.get('runway_end_id', sortie.runway_end_id))
    if 'overruled' in values:
        values |= _overruled(sortie, values['overruled'], by=by)
    moved = {name: value for name, value in values.items() if value != getattr(sortie, name)}
    _check_choices(db, moved)
    aircraft = catalogue.aircraft_of(db.get_one(Aircraft, values.get('aircraft_id', sortie.aircraft_id)))
    if 'flap' not in values and {'aircraft_id', 'landing', 'technique_id'} & moved.keys():
        technique = catalogue.technique_of(db.get_one(Technique, values.get('technique_id', sortie.technique_id)))
        landing = values.get('landing', sortie.landing)
        sortie.flap = usual_flap([flap.name for flap in aircraft.flaps], landing, technique)
    if 'aircraft_id' in moved:
        sortie.weight_lb = min(max(sortie.weight_lb, aircraft.empty_weight_lb), aircraft.max_weight_lb)
    for field, value in values.items():
        setattr(sortie, field, value)
    sortie.from_demo = False
    return _keep(db, sortie, by=by)


def _overruled(sortie: Sortie, asked: Sequence[Mapping[str, Any]], *, by: User) -> dict[str, Any]:
    """The numbers that are overruled from now on, each signed by whoever set it first so."""
    known = {(one['number'], one['value'], one['reason']): one for one in sortie.overruled or []}
    found = [known.get((one['number'], one['value'], one['reason']), {**one, 'by': by.name}) for one in asked]
    # one speed only: a number that is set with its reason takes the place of one that was merely typed
    typed = {'approach_speed_kias': None} if any(one['number'] == 'approach_speed_kias' for one in found) else {}
    return {'overruled': found or None, **typed}


def _keep(db: Session, sortie: Sortie, *, by: User) -> Sortie:
    db.add(sortie)
    with db.no_autoflush:
        # the choices are read by their numbers, since the row may not be written before it has been checked
        choices = Choices(
            aircraft=db.get_one(Aircraft, sortie.aircraft_id),
            runway_end=db.get_one(RunwayEnd, sortie.runway_end_id),
            standard=db.get_one(Standard, sortie.standard_id),
            technique=db.get_one(Technique, sortie.technique_id),
            student=db.get_one(User, sortie.student_id),
        )
        try:
            make_brief(request_of(sortie, choices=choices))
        except Exception:
            db.rollback()
            raise
    db.commit()
    db.expire(sortie)
    return find(db, sortie.id, person=by)
