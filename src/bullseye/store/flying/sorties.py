"""Sorties: who may see them, making and changing them."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from datetime import UTC, date, datetime, time
from functools import cache
from typing import Any, Literal

from sqlalchemy import Select, delete, exists, select
from sqlalchemy.orm import Session, joinedload

from bullseye.core.air.wind import given_direction_deg_true
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.brief.landing import make_brief
from bullseye.core.given.airfield import usual_spot_ft
from bullseye.core.given.loading import usual_weight_lb
from bullseye.core.given.technique import usual_flap
from bullseye.store.base import SchoolOwned
from bullseye.store.equipment import catalogue
from bullseye.store.errors import Conflict, NotFound
from bullseye.store.flying.requests import Choices, request_of
from bullseye.store.people.roles import may_coach, require_coach
from bullseye.store.rows.equipment import Aircraft, RunwayEnd, Standard, Technique
from bullseye.store.rows.flying import Lap, Sortie
from bullseye.store.rows.people import User
from bullseye.store.rows.record import Standing

Right = Literal['read', 'coach']
_WEATHER = ('wind_kt', 'wind_dir_deg_true', 'gust_kt', 'temperature_c', 'qnh_hpa', 'metar', 'surface_state')
# what a copy takes from the sortie it is of: neither its weather nor its flight
_COPIED = (
    *('student_id', 'instructor_id', 'aircraft_id', 'runway_end_id', 'standard_id', 'technique_id', 'landing', 'flap'),
    *('weight_lb', 'spot_ft', 'takeoff', 'pattern', 'booked_min', 'fuel_gal', 'planned_time', 'alone'),
)
_STANDARD_AIR = {'temperature_c': 15.0, 'qnh_hpa': 1_013.25}
_USUAL = {
    **{'takeoff': 'normal', 'surface_state': 'dry', 'wind_source': 'hand', 'booked_min': 60.0, 'alone': False},
    **_STANDARD_AIR,
}
_NO_WIND = {'wind_kt': None, 'wind_dir_deg_true': None, 'gust_kt': None}
_CHOICES: dict[str, tuple[type[SchoolOwned], str]] = {
    'student_id': (User, 'student'),
    'instructor_id': (User, 'instructor'),
    'aircraft_id': (Aircraft, 'aircraft'),
    'runway_end_id': (RunwayEnd, 'runway end'),
    'standard_id': (Standard, 'standard'),
    'technique_id': (Technique, 'technique'),
}


def visible(person: User) -> Select[Sortie]:
    """Sorties a person may read, removed ones too: a student their own, an instructor the school's."""
    return whole() if may_coach(person) else whole().where(Sortie.student_id == person.id)


@cache
def whole() -> Select[Sortie]:
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


def find(
    db: Session,
    sortie_id: int,
    *,
    person: User,
    right: Right = 'read',
    lock: bool = False,
    removed_too: bool = False,
) -> Sortie:
    """A sortie by its number.

    :param removed_too: also one that was taken away, to bring it back
    :raises NotFound: when it is absent, of another school, or of another student
    :raises NotAllowed: when the person may read but not write it
    """
    if not 0 < sortie_id < 2**31:
        raise NotFound('sortie')
    query = visible(person).where(Sortie.id == sortie_id)
    if lock:  # as it now is, whatever was read of it before
        query = query.with_for_update(of=Sortie).execution_options(populate_existing=True)
    found = db.scalar(query)
    if found is None or (found.removed_at is not None and not removed_too):
        raise NotFound('sortie')
    if right == 'coach':
        require_coach(person)
    return found


def _check_choices(db: Session, values: Mapping[str, Any]) -> None:
    """Refuse a choice that is not the school's; in another school's eyes it does not exist."""
    for field, (model, what) in _CHOICES.items():
        if field in values:
            number = values[field]
            row = db.get(model, number) if number is not None and 0 < number < 2**31 else None
            if row is None or getattr(row, 'removed_at', None) is not None:
                raise InvalidInput(field, values[field], f'one of the school ({what} not found)')
            if field == 'instructor_id' and isinstance(row, User) and not may_coach(row):
                raise InvalidInput(field, values[field], 'an instructor')


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
    return _keep(db, made(db, by=by, values=values), by=by)


def made(db: Session, *, by: User, values: Mapping[str, Any]) -> Sortie:
    """As :func:`create`, within a transaction that its caller ends: nothing of it stays when the rest is refused."""
    require_coach(by)
    filled: dict[str, Any] = {'instructor_id': by.id, 'planned_on': date.today(), **_USUAL, **values}
    filled['weather_at'] = None if filled.get('wind_kt') is None else datetime.now(UTC)
    if filled['weather_at'] is None:
        filled |= {**_NO_WIND, **_STANDARD_AIR}
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
        filled['spot_ft'] = usual_spot_ft(catalogue.runway_of(db.get_one(RunwayEnd, filled['runway_end_id'])))
    sortie = Sortie(school_id=by.school_id, **filled)
    _check(db, sortie)
    return sortie


def change(db: Session, sortie: Sortie, *, by: User, values: Mapping[str, Any]) -> Sortie:
    """Change a sortie. Laps already flown keep the brief they were flown by."""
    require_coach(by)
    values = _with_true_wind(db, values, runway_end_id=values.get('runway_end_id', sortie.runway_end_id))
    if 'overruled' in values:
        values |= _overruled(sortie, values['overruled'], by=by)
    moved = {name: value for name, value in values.items() if value != getattr(sortie, name)}
    _check_choices(db, moved)
    if 'student_id' in moved and _has_laps(db, sortie):
        raise Conflict('this sortie has laps, which are on the record of whoever flew them: plan another sortie')
    aircraft = catalogue.aircraft_of(db.get_one(Aircraft, values.get('aircraft_id', sortie.aircraft_id)))
    if 'flap' not in values and {'aircraft_id', 'landing', 'technique_id'} & moved.keys():
        technique = catalogue.technique_of(db.get_one(Technique, values.get('technique_id', sortie.technique_id)))
        landing = values.get('landing', sortie.landing)
        sortie.flap = usual_flap([flap.name for flap in aircraft.flaps], landing, technique)
    if 'aircraft_id' in moved:
        sortie.weight_lb = min(max(sortie.weight_lb, aircraft.empty_weight_lb), aircraft.max_weight_lb)
    for field, value in values.items():
        setattr(sortie, field, value)
    if sortie.wind_kt is None:  # air without a wind is no weather to fly by
        sortie.weather_at = sortie.wind_dir_deg_true = sortie.gust_kt = None
    elif any(name in values for name in _WEATHER):
        sortie.weather_at = datetime.now(UTC)
    sortie.from_demo = False
    if {'takeoff', 'pattern'} & moved.keys():  # by which its laps are judged: what is kept of them is made anew
        db.execute(delete(Standing).where(Standing.school_id == by.school_id, Standing.student_id == sortie.student_id))
    _check(db, sortie)
    return _keep(db, sortie, by=by)


def _overruled(sortie: Sortie, asked: Sequence[Mapping[str, Any]], *, by: User) -> dict[str, Any]:
    """The numbers that are overruled from now on, each signed by whoever set it first so."""
    known = {(one['number'], one['value'], one['reason']): one for one in sortie.overruled or []}
    found = [known.get((one['number'], one['value'], one['reason']), {**one, 'by': by.name}) for one in asked]
    # one speed only: a number that is set with its reason takes the place of one that was merely typed
    typed = {'approach_speed_kias': None} if any(one['number'] == 'approach_speed_kias' for one in found) else {}
    return {'overruled': found or None, **typed}


def copy(db: Session, sortie: Sortie, *, by: User, planned_on: date, planned_time: time | None) -> Sortie:
    """Plan the same again on another day; its weather is not known yet.

    :raises InvalidInput: when something that it chose is no longer in use
    """
    values = {name: getattr(sortie, name) for name in _COPIED}
    return create(db, by=by, values={**values, 'planned_on': planned_on, 'planned_time': planned_time})


def cancel(db: Session, sortie: Sortie, *, by: User, reason: str | None) -> Sortie:
    """Say that a sortie is not flown, and why; None: it is flown after all.

    :raises Conflict: when it has been flown
    """
    require_coach(by)
    if reason is not None and _has_laps(db, sortie):
        raise Conflict('this sortie has laps: it was flown, and cannot be cancelled any more')
    sortie.cancelled_for = reason
    sortie.from_demo = False
    db.commit()
    return sortie


def remove(db: Session, sortie: Sortie, *, by: User) -> None:
    """Take a sortie away; it can be brought back.

    :raises Conflict: when it has been flown: what was flown stays on record
    """
    require_coach(by)
    if _has_laps(db, sortie):
        raise Conflict('this sortie has laps, which are on the record: take them away first')
    sortie.removed_at = datetime.now(UTC)
    db.commit()


def bring_back(db: Session, sortie: Sortie, *, by: User) -> Sortie:
    """Bring a sortie back that was taken away."""
    require_coach(by)
    sortie.removed_at = None
    db.commit()
    return sortie


def fly_after_all(sortie: Sortie) -> None:
    """Laps have come of a sortie that was cancelled or taken away meanwhile: it was flown."""
    if sortie.cancelled_for is not None or sortie.removed_at is not None:
        sortie.cancelled_for = sortie.removed_at = None


def _has_laps(db: Session, sortie: Sortie) -> bool:
    there = exists().where(Lap.school_id == sortie.school_id, Lap.sortie_id == sortie.id, Lap.removed_at.is_(None))
    return bool(db.scalar(select(there)))


def _check(db: Session, sortie: Sortie) -> None:
    """Refuse a sortie that no brief can be made of."""
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
    db.flush()


def _keep(db: Session, sortie: Sortie, *, by: User) -> Sortie:
    db.commit()
    db.expire(sortie)
    return find(db, sortie.id, person=by)
