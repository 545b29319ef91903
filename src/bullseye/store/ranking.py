"""Ranking the runways of a field before a sortie is planned."""

from __future__ import annotations

from collections.abc import Mapping
from datetime import datetime
from typing import Any

from sqlalchemy.orm import Session

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.brief.ranking import RankedEnd
from bullseye.core.brief.request import parse_request
from bullseye.core.brief.whole import Plan, ranking_of
from bullseye.core.given.standards import BUILT_IN
from bullseye.store import catalogue, sorties
from bullseye.store.models import Aircraft, School, User
from bullseye.store.requests import limits_of, reported_weather


def rank(
    db: Session, airfield_id: int, *, by: User, now: datetime, choices: Mapping[str, Any]
) -> tuple[RankedEnd, ...]:
    """Rank the ends of a field for an aircraft, a student's limits and a wind.

    :raises NotFound: when the school has no such field
    :raises InvalidInput: for an aircraft or student the school does not have
    :raises RefusedRequest: with a message for each wrong field
    """
    airfield = catalogue.airfield_of(catalogue.airfield(db, airfield_id))
    row = db.get(Aircraft, choices['aircraft_id'])
    student = db.get(User, choices['student_id']) if choices['student_id'] else None
    if row is None:
        raise InvalidInput('aircraft_id', choices['aircraft_id'], 'an aircraft of the school')
    if student is None and choices['student_id']:
        raise InvalidInput('student_id', choices['student_id'], 'a student of the school')
    aircraft = catalogue.aircraft_of(row)
    weather = ('wind_dir_deg_mag', 'wind_dir_deg_true', 'wind_kt', 'gust_kt', 'temperature_c', 'qnh_hpa')
    data = {
        'aircraft': aircraft,
        'runway': airfield.ends[0],
        'weather': {name: choices[name] for name in weather}
        | reported_weather(choices['metar'], with_wind=choices['wind_source'] == 'report'),
        'weight_lb': sorties.usual_weight_lb(aircraft) if choices['weight_lb'] is None else choices['weight_lb'],
        'landing': 'normal',
        'standard': next(iter(BUILT_IN.values())),
        'spot_ft': 0.0,
        **limits_of(db.get_one(School, by.school_id)),
        'surface_state': choices['surface_state'],
        'student_crosswind_limit_kt': student.crosswind_limit_kt if student else None,
    }
    request = parse_request(data, aircraft_by_name={})
    return ranking_of(request, Plan(takeoff=choices['takeoff'], airfield=airfield, at=now))
