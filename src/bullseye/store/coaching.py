"""From rows to the core and back: the request of a sortie, what its laps teach, and what each lap shows."""

from __future__ import annotations

import dataclasses
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

from pydantic import TypeAdapter, ValidationError
from sqlalchemy import select
from sqlalchemy.orm import Session

from bullseye.core.brief import BriefAnswer, make_brief
from bullseye.core.calibration import Calibration, FlownLap, calibrate
from bullseye.core.diagnosis import Diagnosis, diagnose
from bullseye.core.progress import Summary, summarise
from bullseye.core.request import BriefRequest, RefusedRequest, messages, parse_request, request_adapter
from bullseye.core.scoring import MeasuredLap, Score, score_lap
from bullseye.core.touchdown import Approach
from bullseye.core.wind import components
from bullseye.store.models import Aircraft, Lap, RunwayEnd, School, Sortie, Standard, Technique, User

_PILOT_LAPS = 40  # [own] older ones tell of a pilot who has moved on
_AIRCRAFT_LAPS = 150
MEASURED = (
    'outcome',
    'along_ft',
    'lateral_ft',
    'threshold_speed_kias',
    'float_s',
    'drift',
    'bounced',
    'ballooned',
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Pieces:
    """The rows a sortie chooses."""

    aircraft: Aircraft
    runway_end: RunwayEnd
    standard: Standard
    technique: Technique
    student: User


@dataclass(frozen=True, slots=True, kw_only=True)
class LapResult:
    """One lap with what it was flown by, its score and its explanation."""

    lap: Lap
    number: int
    brief: BriefAnswer
    score: Score
    diagnosis: Diagnosis


def request_data(sortie: Sortie, *, pieces: Pieces | None = None) -> dict[str, Any]:
    """The brief request of a sortie as plain data, without calibration."""
    of = pieces or sortie
    return {
        'aircraft': of.aircraft.spec,
        'runway': of.runway_end.spec,
        'weather': {
            'wind_dir_deg_mag': sortie.wind_dir_deg_mag,
            'wind_kt': sortie.wind_kt,
            'gust_kt': sortie.gust_kt,
            'temperature_c': sortie.temperature_c,
            'qnh_hpa': sortie.qnh_hpa,
        },
        'weight_lb': sortie.weight_lb,
        'landing': sortie.landing,
        'standard': of.standard.spec,
        'technique': {
            'gust_allowance': of.technique.gust_allowance,
            'weight_scaling': of.technique.weight_scaling,
            'roundout_order': of.technique.roundout_order,
        },
        'spot_ft': sortie.spot_ft,
        'flap': sortie.flap,
        'approach_speed_kias': sortie.approach_speed_kias,
        'student_crosswind_limit_kt': of.student.crosswind_limit_kt,
    }


_PLACES = {'runway': 'runway_end_id', 'aircraft': 'aircraft_id', 'standard': 'standard_id'}


def request_of(sortie: Sortie, *, pieces: Pieces | None = None, **more: Any) -> BriefRequest:
    """The brief request of a sortie.

    :raises RefusedRequest: with the fields named as the sortie names them
    """
    try:
        return parse_request(
            {**request_data(sortie, pieces=pieces), **{k: v for k, v in more.items() if v is not None}},
            aircraft_by_name={},
        )
    except RefusedRequest as error:
        # the sortie holds the weather flat, and the core's objects by their numbers
        flat = {}
        for path, message in error.errors.items():
            first, _, rest = path.partition('.')
            flat[rest if first == 'weather' else _PLACES.get(first, path)] = message
        raise RefusedRequest(flat) from None


def changed_request(request: BriefRequest, changes: dict[str, Any]) -> BriefRequest:
    """A request with some things asked differently: weather fields, weight, flap, spot, speed or aim.

    :raises RefusedRequest: with a message for each wrong field
    """
    weather_fields = {f.name for f in dataclasses.fields(request.weather)}
    data: dict[str, Any] = {f.name: getattr(request, f.name) for f in dataclasses.fields(request)}
    weather = {k: v for k, v in changes.items() if k in weather_fields}
    data.update({k: v for k, v in changes.items() if k not in weather_fields})
    try:
        if weather:
            data['weather'] = {f: getattr(request.weather, f) for f in weather_fields} | weather
        return request_adapter().validate_python(data)
    except ValidationError as error:
        raise RefusedRequest({path.removeprefix('weather.'): text for path, text in messages(error).items()}) from None


def _flown(laps: Sequence[Any]) -> list[FlownLap]:
    return [FlownLap(**{**lap, 'approach': Approach(**lap['approach'])}) for lap in laps]


def calibration_for(db: Session, sortie: Sortie, *, prior_deceleration_fps2: float) -> Calibration:
    """What all laps so far teach about this sortie's pilot, aircraft and flap."""
    of_aircraft = (
        select(Lap.student_id, Lap.flown)
        .where(
            Lap.aircraft_id == sortie.aircraft_id,
            Lap.flap == sortie.flap,
            Lap.removed_at.is_(None),
            Lap.flown.is_not(None),
        )
        .order_by(Lap.flown_at.desc())
    )
    everybody = db.execute(of_aircraft.limit(_AIRCRAFT_LAPS)).all()
    own = db.execute(of_aircraft.where(Lap.student_id == sortie.student_id).limit(_PILOT_LAPS)).all()
    return calibrate(
        aircraft_laps=_flown([lap for _, lap in everybody]),
        pilot_laps=_flown([lap for _, lap in reversed(own)]),
        prior_deceleration_fps2=prior_deceleration_fps2,
    )


def school_limit_kt(db: Session, sortie: Sortie) -> float | None:
    """The crosswind limit the school sets its students."""
    return db.get_one(School, sortie.school_id).crosswind_limit_kt


def live_request(db: Session, sortie: Sortie) -> BriefRequest:
    """The request of a sortie with all that its school, student and laps so far add."""
    request = request_of(sortie, school_crosswind_limit_kt=school_limit_kt(db, sortie))
    known = calibration_for(db, sortie, prior_deceleration_fps2=request.aircraft.deceleration_fps2)
    return dataclasses.replace(request, calibration=known)


def measured_of(lap: Lap, request: BriefRequest) -> MeasuredLap:
    """The core's measured lap of a row; its wind, when read, is resolved on the runway."""
    head_kt = None
    if lap.wind_kt is not None:
        weather = dataclasses.replace(
            request.weather,
            wind_dir_deg_true=None,
            wind_dir_deg_mag=lap.wind_dir_deg_mag,
            wind_kt=lap.wind_kt,
            gust_kt=None,
        )
        wind = weather.wind(variation_deg=request.runway.magnetic_variation_deg)
        head_kt = components(wind, course_deg_true=request.runway.course_deg_true).head_kt
    values: dict[str, Any] = {name: getattr(lap, name) for name in MEASURED}
    return TypeAdapter(MeasuredLap).validate_python({**values, 'headwind_kt': head_kt})


def result_of(lap: Lap, *, number: int) -> LapResult:
    """Score and explain a lap from its stored inputs."""
    request = request_adapter().validate_python(lap.request)
    brief = make_brief(request)
    measured = measured_of(lap, request)
    return LapResult(
        lap=lap,
        number=number,
        brief=brief,
        score=score_lap(measured, brief=brief, tolerance=request.standard.tolerance(request.landing)),
        diagnosis=diagnose(measured, request=request, brief=brief),
    )


def summary_of(db: Session, sortie: Sortie, results: Sequence[LapResult]) -> Summary:
    """The laps of a sortie together, and the one change that follows for the next."""
    next_aim_ft = make_brief(live_request(db, sortie)).recommended_aim_point_ft if results else None
    laps = [(r.score, r.diagnosis, r.lap.outcome == 'go_around') for r in results]
    return summarise(laps, next_aim_ft=next_aim_ft)
