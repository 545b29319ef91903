"""Ranking the runways of a field before a sortie is planned."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import datetime
from typing import Any

from sqlalchemy.orm import Session

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.kinds import LandingKind
from bullseye.core.brief.ends import ranking_of
from bullseye.core.brief.plan import Plan
from bullseye.core.brief.ranking import RankedEnd
from bullseye.core.brief.request import BriefRequest, parse_request
from bullseye.core.brief.setup import power_share, prior_deceleration_fps2
from bullseye.core.given.airfield import usual_spot_ft
from bullseye.core.given.loading import usual_weight_lb
from bullseye.core.given.standards import BUILT_IN
from bullseye.core.given.standards import Standard as CoreStandard
from bullseye.core.given.technique import Technique as CoreTechnique
from bullseye.store.equipment import catalogue
from bullseye.store.flying.alone import signed_of
from bullseye.store.flying.requests import limits_of, reported_weather
from bullseye.store.learning.calibrations import teaching_laps
from bullseye.store.rows.equipment import Aircraft, Standard, Technique
from bullseye.store.rows.people import School, User


def rank(
    db: Session, airfield_id: int, *, by: User, now: datetime, choices: Mapping[str, Any]
) -> tuple[RankedEnd, ...]:
    """Rank the ends of a field for an aircraft, a student's limits and a wind.

    :raises NotFound: when the school has no such field
    :raises InvalidInput: for an aircraft or student the school does not have
    :raises RefusedRequest: with a message for each wrong field
    """
    field = catalogue.airfield(db, airfield_id)
    airfield = catalogue.airfield_of(field)
    row = db.get(Aircraft, choices['aircraft_id'])
    student = db.get(User, choices['student_id']) if choices['student_id'] else None
    if row is None:
        raise InvalidInput('aircraft_id', choices['aircraft_id'], 'an aircraft of the school')
    if student is None and choices['student_id']:
        raise InvalidInput('student_id', choices['student_id'], 'a student of the school')
    aircraft = catalogue.aircraft_of(row)
    weather = ('wind_dir_deg_mag', 'wind_dir_deg_true', 'wind_kt', 'gust_kt', 'temperature_c', 'qnh_hpa')
    landing: LandingKind = choices['landing']
    standard = _standard(db, choices['standard_id'], landing)
    technique = _technique(db, choices['technique_id'] or by.technique_id)
    runway, spot_ft = airfield.ends[0], choices['spot_ft']
    data = {
        'aircraft': aircraft,
        'runway': runway,
        'weather': {name: choices[name] for name in weather}
        | reported_weather(choices['metar'], with_wind=choices['wind_source'] == 'report'),
        'weight_lb': usual_weight_lb(aircraft) if choices['weight_lb'] is None else choices['weight_lb'],
        'landing': landing if standard.can_plan(landing) else 'normal',
        'standard': standard,
        'technique': technique,
        'spot_ft': min(usual_spot_ft(runway) if spot_ft is None else spot_ft, runway.landing_distance_available_ft / 2),
        **limits_of(db.get_one(School, by.school_id)),
        'surface_state': choices['surface_state'],
        'student_crosswind_limit_kt': student.crosswind_limit_kt if student else None,
        'alone': choices['alone'],
    }
    if choices['alone'] and student is not None:
        data |= signed_of(
            db, school_id=by.school_id, student_id=student.id, on=now.date(), field=field.name, ident=None
        )
    request = parse_request(data, aircraft_by_name={})
    if student is not None:
        request = _as_known(db, request, _Pilot(by.school_id, row.id, student.id))
    return ranking_of(request, Plan(takeoff=choices['takeoff'], airfield=airfield, at=now))


@dataclass(frozen=True, slots=True)
class _Pilot:
    """Who would fly in what."""

    school_id: int
    aircraft_id: int
    student_id: int


def _as_known(db: Session, request: BriefRequest, pilot: _Pilot) -> BriefRequest:
    """The request with what the laps of its pilot and aircraft have taught, as a sortie of theirs would have it."""
    asked = (request.landing, request.flap_setting.name)
    laps = teaching_laps(db, pilot, [asked])[asked]
    learned = laps.belief(
        prior_deceleration_fps2=prior_deceleration_fps2(request), power_share=power_share(request.landing)
    )
    return replace(request, calibration=learned)


def _standard(db: Session, standard_id: int | None, landing: LandingKind) -> CoreStandard:
    """The standard that was chosen, where it has a task for the landing; else a usual one."""
    row = None if standard_id is None else db.get(Standard, standard_id)
    if row is not None and catalogue.standard_of(row).can_plan(landing):
        return catalogue.standard_of(row)
    return next((one for one in BUILT_IN.values() if one.can_plan(landing)), next(iter(BUILT_IN.values())))


def _technique(db: Session, technique_id: int | None) -> CoreTechnique:
    row = None if technique_id is None else db.get(Technique, technique_id)
    return CoreTechnique() if row is None else catalogue.technique_of(row)
