"""From rows to the core and back: the request of a sortie, what its laps teach, and what each lap shows."""

from __future__ import annotations

import dataclasses
import json
import statistics
from collections.abc import Sequence
from contextlib import suppress
from dataclasses import dataclass, field
from datetime import UTC, datetime, time, timedelta
from functools import lru_cache
from typing import Any, cast, get_args

from pydantic import TypeAdapter, ValidationError
from sqlalchemy import literal, select, union_all
from sqlalchemy.orm import Session

from bullseye.core.air.wind import components
from bullseye.core.basis.errors import BullseyeError
from bullseye.core.basis.kinds import NOT_LANDED, LandingKind, TakeoffKind
from bullseye.core.brief.kneeboard import Kneeboard, make_kneeboard
from bullseye.core.brief.landing import BriefAnswer, make_brief, prior_deceleration_fps2, recommended_aim_ft
from bullseye.core.brief.lapplan import KindRecord, LessonTime, PlannedLap
from bullseye.core.brief.request import BriefRequest, RefusedRequest, messages, parse_request, request_adapter
from bullseye.core.brief.whole import Parts, Plan, make_parts
from bullseye.core.explain.diagnosis import Diagnosis, diagnose
from bullseye.core.explain.scoring import Score, score_lap
from bullseye.core.explain.summary import Summary, summarise
from bullseye.core.fly.pattern import PatternChoice
from bullseye.core.given.belief import Calibration
from bullseye.core.learn.fit import calibrate
from bullseye.core.measure.flown import FlownLap
from bullseye.core.measure.lap import MeasuredLap
from bullseye.store import catalogue
from bullseye.store.models import Aircraft, Lap, RunwayEnd, Sortie, Standard, Technique, User

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


brief_of = lru_cache(1_000)(make_brief)  # a request says all a brief depends on; the same is asked again and again
aim_of_ft = lru_cache(1_000)(recommended_aim_ft)
_WIND_READ = ('wind_dir_deg_mag', 'wind_kt')
UNREADABLE = (ValidationError, BullseyeError)  # what reading a row raises that holds something else than it should
_MEASURED_LAP = TypeAdapter(MeasuredLap)
_FLOWN_LAP = TypeAdapter(FlownLap)
_PATTERN_CHOICE = TypeAdapter(PatternChoice)
_LAP_PLAN = TypeAdapter(tuple[PlannedLap, ...])
_USUAL_HOUR = time(14)


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
        'technique': of.technique.spec,
        'spot_ft': sortie.spot_ft,
        'flap': sortie.flap,
        'approach_speed_kias': sortie.approach_speed_kias,
        'student_crosswind_limit_kt': of.student.crosswind_limit_kt,
    }


_PLACES = {'runway': 'runway_end_id', 'aircraft': 'aircraft_id', 'standard': 'standard_id'}


@lru_cache(500)
def _parsed(asked_json: str) -> BriefRequest:
    """A request from plain data; the same is asked again and again, and checking it takes longer than the brief."""
    return parse_request(json.loads(asked_json), aircraft_by_name={})


@lru_cache(500)
def kept_request(request_json: str) -> BriefRequest:
    """The request of a lap from what its row keeps, as text."""
    return request_adapter().validate_json(request_json)


def request_of(sortie: Sortie, *, pieces: Pieces | None = None, **more: Any) -> BriefRequest:
    """The brief request of a sortie.

    :raises RefusedRequest: with the fields named as the sortie names them
    """
    try:
        asked = {**request_data(sortie, pieces=pieces), **{k: v for k, v in more.items() if v is not None}}
        return _parsed(json.dumps(asked))
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


_flown_lap = lru_cache(5_000)(_FLOWN_LAP.validate_json)


def flown_laps(laps: Sequence[Any]) -> list[FlownLap]:
    """Laps as calibration takes them, from what rows keep of them; one that cannot be read teaches nothing."""
    found = []
    for lap in laps:
        with suppress(*UNREADABLE):
            found.append(_flown_lap(json.dumps(lap)))
    return found


@dataclass(slots=True)
class Taught:
    """The laps that teach of one kind of landing and flap, newest first; kept in step while laps are written."""

    everybody: list[FlownLap]
    own: list[FlownLap]
    newest: datetime | None
    learned: Calibration | None = None

    def add(self, lap: Lap, *, is_own_kind: bool) -> bool:
        """Put a new lap in front; False when it is not the newest, and its place is not known here."""
        if self.newest is not None and lap.flown_at <= self.newest:
            return False
        (flown,) = flown_laps([lap.flown])
        self.everybody = [flown, *self.everybody][:_AIRCRAFT_LAPS]
        if is_own_kind:
            self.own = [flown, *self.own][:_PILOT_LAPS]
        self.newest, self.learned = lap.flown_at, None
        return True


def taught_for(db: Session, sortie: Sortie, *, landing: str, flap: str) -> Taught:
    """Read the laps that teach of a sortie's aircraft and pilot: the latest of each, all in one statement."""
    of_aircraft = (
        select(Lap.flown, Lap.flown_at)
        .where(
            Lap.school_id == sortie.school_id,
            Lap.aircraft_id == sortie.aircraft_id,
            Lap.flap == flap,
            Lap.removed_at.is_(None),
            Lap.flown.is_not(None),
        )
        .order_by(Lap.flown_at.desc())
    )
    of_pilot = of_aircraft.where(Lap.student_id == sortie.student_id, Lap.landing == landing)
    everybody = of_aircraft.add_columns(literal(False).label('is_own')).limit(_AIRCRAFT_LAPS)
    own = of_pilot.add_columns(literal(True).label('is_own')).limit(_PILOT_LAPS)
    found = db.execute(union_all(everybody, own))
    rows = sorted(found, key=lambda row: row.flown_at, reverse=True)  # a union has no order of its own
    return Taught(
        flown_laps([row.flown for row in rows if not row.is_own]),
        flown_laps([row.flown for row in rows if row.is_own]),
        rows[0].flown_at if rows else None,
    )


@lru_cache(500)
def _learned(everybody: tuple[FlownLap, ...], own: tuple[FlownLap, ...], prior_deceleration_fps2: float) -> Calibration:
    """What laps teach, kept by the laps themselves: it can be neither out of date nor half read."""
    return calibrate(aircraft_laps=everybody, pilot_laps=own, prior_deceleration_fps2=prior_deceleration_fps2)


def _learn_from(taught: Taught, *, prior_deceleration_fps2: float) -> Calibration:
    if taught.learned is None:
        taught.learned = _learned(tuple(taught.everybody), tuple(taught.own[::-1]), prior_deceleration_fps2)
    return taught.learned


def calibration_for(
    db: Session, sortie: Sortie, *, prior_deceleration_fps2: float, landing: str | None = None, flap: str | None = None
) -> Calibration:
    """What the laps so far teach: of the aircraft and flap by everybody, of the pilot in this kind of landing."""
    taught = taught_for(db, sortie, landing=landing or sortie.landing, flap=flap or sortie.flap)
    return _learn_from(taught, prior_deceleration_fps2=prior_deceleration_fps2)


@dataclass(frozen=True, slots=True)
class Last:
    """The last lap of a sortie in one kind of landing: when it was flown, and by what."""

    flown_at: datetime
    request: BriefRequest


@dataclass(slots=True)
class Course:
    """What a sortie has taught so far, while many of its laps are written at once: read once, then kept in step."""

    taught: dict[tuple[str, str], Taught] = field(default_factory=dict)
    last: dict[str, Last | None] = field(default_factory=dict)
    asked: BriefRequest | None = None  # the sortie's own request, which stands while its laps are written

    def forget(self) -> None:
        """Read all anew: something has changed that cannot be followed here."""
        self.taught.clear()
        self.last.clear()

    def has_written(self, lap: Lap, request: BriefRequest | None) -> None:
        """Follow a lap that was written; ``request`` is what a new one is flown by, None for one there was."""
        before = self.last.get(lap.landing)
        followed = request is not None and (before is None or lap.flown_at > before.flown_at)
        if followed and request is not None and lap.landing in self.last:
            self.last[lap.landing] = Last(lap.flown_at, request)
        if followed and lap.flown is not None:
            of_flap = [(landing, taught) for (landing, flap), taught in self.taught.items() if flap == lap.flap]
            followed = all(taught.add(lap, is_own_kind=landing == lap.landing) for landing, taught in of_flap)
        if not followed:
            self.forget()


def _last_of(db: Session, sortie: Sortie, landing: str) -> Last | None:
    row = db.execute(
        select(Lap.flown_at, Lap.request)
        .where(Lap.sortie_id == sortie.id, Lap.landing == landing, Lap.removed_at.is_(None))
        .order_by(Lap.flown_at.desc(), Lap.id.desc())
        .limit(1)
    ).first()
    if row is not None:
        with suppress(*UNREADABLE):
            return Last(row.flown_at, kept_request(json.dumps(row.request)))
    return None


def live_request(
    db: Session,
    sortie: Sortie,
    *,
    landing: LandingKind | None = None,
    spot_ft: float | None = None,
    runway_end: RunwayEnd | None = None,
    course: Course | None = None,
) -> BriefRequest:
    """The request of a sortie with all that its school, student and laps so far add; or of another kind, spot, runway.

    :param course: what has been taught so far, for a caller who writes many laps
    """
    pieces = None
    if runway_end is not None and runway_end.id != sortie.runway_end_id:
        pieces = Pieces(
            aircraft=sortie.aircraft,
            runway_end=runway_end,
            standard=sortie.standard,
            technique=sortie.technique,
            student=sortie.student,
        )
    given_ft = spot_ft if pieces else None  # the sortie's own spot may lie beyond the end of another runway
    request = course.asked if course is not None and pieces is None else None
    if request is None:
        request = request_of(
            sortie, pieces=pieces, school_crosswind_limit_kt=sortie.school.crosswind_limit_kt, spot_ft=given_ft
        )
    if course is not None and pieces is None:
        course.asked = request
    changes: dict[str, Any] = {}
    if landing is not None and landing != request.landing:
        # another kind has its usual flap and its own speed
        changes = {'landing': landing, 'flap': None, 'approach_speed_kias': None}
    if spot_ft is not None:
        changes['spot_ft'] = spot_ft
    if changes:
        request = changed_request(request, changes)
    kind, flap = request.landing, request.flap_setting.name
    prior = prior_deceleration_fps2(request)
    if course is None:
        learned = calibration_for(db, sortie, prior_deceleration_fps2=prior, landing=kind, flap=flap)
        last = _last_of(db, sortie, kind)
    else:
        if (kind, flap) not in course.taught:
            course.taught[kind, flap] = taught_for(db, sortie, landing=kind, flap=flap)
        if kind not in course.last:
            course.last[kind] = _last_of(db, sortie, kind)
        learned = _learn_from(course.taught[kind, flap], prior_deceleration_fps2=prior)
        last = course.last[kind]
    request = dataclasses.replace(request, calibration=learned)
    return request if last is None else _stepped(request, last.request, sortie.school.aim_step_ft)


def _stepped(request: BriefRequest, flown: BriefRequest, step_ft: float) -> BriefRequest:
    """Hold what a lap taught within a step: the next aim against where the last lap would aim today."""
    same = all(getattr(flown, name) == getattr(request, name) for name in ('landing', 'flap', 'approach_speed_kias'))
    if not same or flown.aim_point_ft is None or request.technique.aim_distance != 'calibrated':
        return request
    wanted_ft = aim_of_ft(request)
    before_ft = aim_of_ft(flown)
    # what wind, weight and spot have changed since is not learning and is not held back
    learned_ft = aim_of_ft(dataclasses.replace(request, calibration=flown.calibration))
    at_last_ft = learned_ft + (flown.aim_point_ft - before_ft)
    held_ft = min(max(wanted_ft, at_last_ft - step_ft), at_last_ft + step_ft)
    return request if abs(held_ft - wanted_ft) < 0.5 else dataclasses.replace(request, aim_point_ft=held_ft)


def planned_at(sortie: Sortie, *, longitude_deg: float) -> datetime:
    """When a sortie is flown [UTC]; two in the afternoon by the sun at the field when no hour is planned."""
    if sortie.planned_time is not None:
        return datetime.combine(sortie.planned_on, sortie.planned_time, UTC)
    return datetime.combine(sortie.planned_on, _USUAL_HOUR, UTC) - timedelta(hours=longitude_deg / 15)


def plan_of(
    db: Session, sortie: Sortie, *, takeoff: TakeoffKind | None = None, pattern: PatternChoice | None = None
) -> Plan:
    """What the sortie's whole brief is asked with, or with another takeoff or pattern."""
    row = sortie.runway_end.airfield
    airfield = catalogue.airfield_of(row)
    return Plan(
        takeoff=takeoff or cast(TakeoffKind, sortie.takeoff),
        pattern=pattern or _PATTERN_CHOICE.validate_python(sortie.pattern or {}),
        airfield=airfield,
        at=planned_at(sortie, longitude_deg=airfield.longitude_deg),
        is_northern=airfield.latitude_deg >= 0,
        lesson=LessonTime(booked_min=sortie.booked_min, fuel_gal=sortie.fuel_gal, record=records_of(db, sortie)),
        field_name=row.name,
        marks=catalogue.placed_marks(row, sortie.runway_end),
        laps=None if sortie.lap_plan is None else _LAP_PLAN.validate_python(sortie.lap_plan),
    )


def requests_of_plan(db: Session, sortie: Sortie, plan: Parts) -> dict[LandingKind, BriefRequest]:
    """Requests of the landings that a sortie may be asked for: its own kind, and those of its lap plan."""
    wanted = {sortie.landing, *(lap.kind for lap in plan.lap_plan.laps)}
    found: dict[LandingKind, BriefRequest] = {}
    for kind in get_args(LandingKind):
        if kind in wanted:
            # what was planned by hand may be a kind that the sortie's standard does not judge
            with suppress(RefusedRequest):
                found[kind] = live_request(db, sortie, landing=kind)
    return found


def records_of(db: Session, sortie: Sortie) -> tuple[KindRecord, ...]:
    """What earlier sorties of this student show of each landing kind, from their latest laps."""
    query = (
        select(Lap)
        .where(Lap.student_id == sortie.student_id, Lap.removed_at.is_(None), Lap.sortie_id != sortie.id)
        .order_by(Lap.flown_at.desc())
        .limit(_PILOT_LAPS)
    )
    by_kind: dict[str, list[Lap]] = {}
    for lap in db.scalars(query):
        by_kind.setdefault(lap.request['landing'], []).append(lap)
    found = []
    for kind, laps in by_kind.items():
        judged = []
        for lap in laps:
            with suppress(*UNREADABLE):
                judged.append(result_of(lap, number=0))
        errors = [one.diagnosis.error_ft for one in judged if one.diagnosis.error_ft is not None]
        scored = [one.score.hit for one in judged if one.score.hit is not None]
        flown_on = laps[0].flown_at.date()
        found.append(
            KindRecord(
                landing=cast(LandingKind, kind),
                laps=len(laps),
                hit_rate=sum(scored) / len(scored) if scored else None,
                mean_error_ft=statistics.fmean(errors) if errors else None,
                spread_ft=statistics.stdev(errors) if len(errors) > 1 else None,
                days_since=float(max(0, (sortie.planned_on - flown_on).days)),
            )
        )
    return tuple(found)


def kneeboard_of(db: Session, sortie: Sortie) -> Kneeboard:
    """The kneeboard card of a sortie as it is briefed now."""
    request = live_request(db, sortie)
    brief = brief_of(request)
    wind, field = request.weather, sortie.runway_end.airfield.name
    blows = 'calm' if not wind.wind_kt else f'{wind.wind_kt:.0f} kt'
    if wind.wind_kt:
        from_deg = wind.wind_dir_deg_mag
        blows = f'{"variable" if from_deg is None else f"{round(from_deg) % 360 or 360:03d}°"} {blows}'
        blows += f' gust {wind.gust_kt:.0f} kt' if wind.gust_kt else ''
    return make_kneeboard(
        request=request,
        brief=brief,
        parts=make_parts(request, plan_of(db, sortie), brief),
        card=brief.card,
        title=f'{sortie.student.name}, {sortie.aircraft.name}, {field} {request.runway.ident}',
        subtitle=f'{sortie.planned_on:%d %b %Y}, wind {blows} magnetic, {request.weight_lb:,.0f} lb, '
        f'{sortie.standard.name}, technique {sortie.technique.name}',
    )


def measured_of(lap: Lap, request: BriefRequest) -> MeasuredLap:
    """The core's measured lap of a row; its wind, when read, is resolved on the runway."""
    return _measured({name: getattr(lap, name) for name in (*MEASURED, *_WIND_READ)}, request)


def _measured(seen: dict[str, Any], request: BriefRequest) -> MeasuredLap:
    head_kt = None
    if seen['wind_kt'] is not None:
        weather = dataclasses.replace(
            request.weather,
            wind_dir_deg_true=None,
            wind_dir_deg_mag=seen['wind_dir_deg_mag'],
            wind_kt=seen['wind_kt'],
            gust_kt=None,
        )
        wind = weather.wind(variation_deg=request.runway.magnetic_variation_deg)
        head_kt = components(wind, course_deg_true=request.runway.course_deg_true).head_kt
    return _MEASURED_LAP.validate_python({**{name: seen[name] for name in MEASURED}, 'headwind_kt': head_kt})


def result_of(lap: Lap, *, number: int) -> LapResult:
    """Score and explain a lap from its stored inputs."""
    seen = {name: getattr(lap, name) for name in (*MEASURED, *_WIND_READ)}
    brief, score, diagnosis = _judged(json.dumps(lap.request), json.dumps(seen))
    return LapResult(lap=lap, number=number, brief=brief, score=score, diagnosis=diagnosis)


@lru_cache(2_000)
def _judged(request_json: str, seen_json: str) -> tuple[BriefAnswer, Score, Diagnosis]:
    """Judge a lap from its inputs as text: laps are read far more often than they change."""
    request = kept_request(request_json)
    brief = brief_of(request)
    measured = _measured(json.loads(seen_json), request)
    return (
        brief,
        score_lap(measured, brief=brief, tolerance=request.standard.tolerance(request.landing)),
        diagnose(measured, request=request, brief=brief),
    )


def summary_of(db: Session, sortie: Sortie, results: Sequence[LapResult]) -> Summary:
    """The laps of a sortie together, and the one change that follows for the next."""
    brief = brief_of(live_request(db, sortie)) if results else None
    laps = [(r.score, r.diagnosis, r.lap.outcome in NOT_LANDED) for r in results if not r.lap.excluded]
    if brief is None:
        return summarise(laps)
    return summarise(laps, next_aim_ft=brief.aim_point_ft, next_spot_ft=brief.spot_ft)
