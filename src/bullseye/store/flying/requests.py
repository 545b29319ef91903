"""From rows to what the core is asked with: the request of a sortie, and of a lap as it was flown."""

from __future__ import annotations

import dataclasses
import uuid
from collections.abc import Iterable, Sequence
from contextlib import suppress
from dataclasses import dataclass, field
from datetime import UTC, datetime, time, timedelta
from typing import Any, cast

from pydantic import TypeAdapter, ValidationError
from sqlalchemy import select
from sqlalchemy.orm import Session

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.kinds import LandingKind, SurfaceState, WeatherGiven
from bullseye.core.brief.aiming import recommended_aim_ft
from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.request import BriefRequest, RefusedRequest, Weather, messages, request_adapter
from bullseye.core.brief.setup import power_share, prior_deceleration_fps2
from bullseye.core.exchange.metar import Report, read_metar
from bullseye.core.given.belief import Calibration
from bullseye.core.given.overrule import Overrule
from bullseye.core.learn.steps import moves_the_aim, stepped_aim_ft
from bullseye.store.equipment import catalogue, versions
from bullseye.store.errors import UNREADABLE, UnreadableRow
from bullseye.store.flying.alone import signed_for
from bullseye.store.learning.beliefs import kept_belief, plain_belief
from bullseye.store.learning.calibrations import TeachingLaps, teaching_laps
from bullseye.store.rows.equipment import Aircraft, RunwayEnd, Standard, Technique
from bullseye.store.rows.flying import Lap, Sortie
from bullseye.store.rows.people import School, User
from bullseye.words.language import remembered

brief_of = remembered(1_000)(make_brief)  # a request says all a brief depends on; the same is asked again and again
aim_of_ft = remembered(1_000)(recommended_aim_ft)
_OVERRULES = TypeAdapter(tuple[Overrule, ...])


@dataclass(frozen=True, slots=True, kw_only=True)
class Choices:
    """The rows a sortie chooses."""

    aircraft: Aircraft
    runway_end: RunwayEnd
    standard: Standard
    technique: Technique
    student: User

    @classmethod
    def of(cls, sortie: Sortie, *, runway_end: RunwayEnd | None = None) -> Choices:
        """Those of a sortie, or with another runway end."""
        return cls(
            aircraft=sortie.aircraft,
            runway_end=runway_end or sortie.runway_end,
            standard=sortie.standard,
            technique=sortie.technique,
            student=sortie.student,
        )


_WEATHER_HOLDS = timedelta(hours=3)  # [own] then wind and pressure are of another part of the day
_USUAL_HOUR = time(14)


def planned_at(sortie: Sortie, *, longitude_deg: float) -> datetime:
    """When a sortie is flown [UTC]; two in the afternoon by the sun at the field when no hour is planned."""
    if sortie.planned_time is not None:
        return datetime.combine(sortie.planned_on, sortie.planned_time, UTC)
    return datetime.combine(sortie.planned_on, _USUAL_HOUR, UTC) - timedelta(hours=longitude_deg / 15)


def weather_given(sortie: Sortie, *, now: datetime) -> WeatherGiven:
    """Whether a sortie's weather is of the hour it is flown at; without an hour, of that at which it is looked at.

    What is given after a flight was planned to end is how it was, and never old.
    """
    if sortie.weather_at is None or sortie.wind_kt is None:
        return 'never'
    if sortie.planned_time is None and sortie.planned_on == now.date():
        flown_at = now
    else:
        flown_at = planned_at(sortie, longitude_deg=sortie.runway_end.threshold_lon_deg)
    return 'old' if sortie.weather_at < flown_at - _WEATHER_HOLDS else 'current'


def limits_of(school: School) -> dict[str, Any]:
    """What a school sets for every brief."""
    return {
        'school_crosswind_limit_kt': school.crosswind_limit_kt,
        'least_ceiling_ft': school.least_ceiling_ft,
        'least_visibility_m': school.least_visibility_m,
    }


@remembered(500)
def _report_of(text: str) -> Report | None:
    """What a kept report says beside wind and air; None when it cannot be read (any more)."""
    try:
        return read_metar(text, now=datetime.now(UTC))
    except InvalidInput:
        return None


def reported_weather(text: str | None, *, with_wind: bool) -> dict[str, Any]:
    """Weather fields of a report that a sortie keeps; the swing of its wind only where the sock does not win."""
    report = None if text is None else _report_of(text)
    if report is None:
        return {}
    swing = ('wind_range_from_deg_true', 'wind_range_to_deg_true') if with_wind else ()
    return {name: getattr(report, name) for name in ('visibility_m', 'ceiling_ft', 'hazards', 'later', *swing)}


def request_of(
    sortie: Sortie,
    *,
    choices: Choices | None = None,
    school: School | None = None,
    spot_ft: float | None = None,
) -> BriefRequest:
    """The brief request of a sortie, without what laps have taught.

    :param choices: rows to take in place of the sortie's own
    :param school: whose limits and minima hold; without it none of the school's
    :param spot_ft: another spot than the sortie's
    :raises RefusedRequest: with the field named as the sortie names it
    """
    rows = choices or Choices.of(sortie)
    try:
        return BriefRequest(
            aircraft=catalogue.aircraft_of(rows.aircraft),
            runway=catalogue.runway_of(rows.runway_end),
            weather=Weather(
                wind_dir_deg_true=sortie.wind_dir_deg_true,
                wind_kt=sortie.wind_kt,
                gust_kt=sortie.gust_kt,
                temperature_c=sortie.temperature_c,
                qnh_hpa=sortie.qnh_hpa,
                **reported_weather(sortie.metar, with_wind=sortie.wind_source == 'report'),
            ),
            surface_state=cast(SurfaceState, sortie.surface_state),
            # what the instructor set was set for the sortie's own runway: elsewhere it may lie beyond the end
            overruled=_OVERRULES.validate_python(sortie.overruled or [])
            if rows.runway_end.id == sortie.runway_end_id
            else (),
            weight_lb=sortie.weight_lb,
            landing=cast(LandingKind, sortie.landing),
            standard=catalogue.standard_of(rows.standard),
            technique=catalogue.technique_of(rows.technique),
            spot_ft=sortie.spot_ft if spot_ft is None else spot_ft,
            flap=sortie.flap,
            approach_speed_kias=sortie.approach_speed_kias,
            student_crosswind_limit_kt=rows.student.crosswind_limit_kt,
            alone=sortie.alone,
            **({} if school is None else limits_of(school)),
        )
    except InvalidInput as error:
        raise RefusedRequest({error.field: str(error)}) from None


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


_REPORTED = ('visibility_m', 'ceiling_ft', 'hazards', 'later', 'wind_range_from_deg_true', 'wind_range_to_deg_true')
_OF_ALONE = ('alone', 'signed_wind_kt', 'signed_crosswind_kt', 'signed_state')
_OF_THE_DAY = ('surface_state', 'least_ceiling_ft', 'least_visibility_m', *_OF_ALONE)


def _unusual(request: BriefRequest) -> dict[str, Any]:
    """What was not as usual of the surface, the weather and the school's minima."""
    usual = {one.name: one.default for kind in (Weather, BriefRequest) for one in dataclasses.fields(kind)}
    found = {name: getattr(request.weather, name) for name in _REPORTED}
    found |= {name: getattr(request, name) for name in _OF_THE_DAY}
    if request.weather.is_old:
        found['is_old'] = True
    return {
        name: list(value) if isinstance(value, tuple) else value
        for name, value in found.items()
        if value != usual[name]
    }


def fly_by(db: Session, lap: Lap, request: BriefRequest) -> None:
    """Set what a lap is flown by."""
    names = versions.keep(
        db,
        lap.school_id,
        {
            'aircraft': request.aircraft,
            'runway': request.runway,
            'standard': request.standard,
            'technique': request.technique,
        },
    )
    lap.aircraft_version, lap.runway_version = names['aircraft'], names['runway']
    lap.standard_version, lap.technique_version = names['standard'], names['technique']
    lap.landing, lap.flap = request.landing, request.flap_setting.name
    lap.weight_lb, lap.spot_ft = request.weight_lb, request.spot_ft
    lap.aim_point_ft, lap.approach_speed_kias = request.aim_point_ft, request.approach_speed_kias
    wind = request.wind
    lap.briefed_wind_deg_true, lap.briefed_wind_kt, lap.briefed_gust_kt = (
        None if wind is None else wind.direction_deg_true,
        None if wind is None else wind.speed_kt,
        None if wind is None else wind.gust_kt,
    )
    lap.temperature_c, lap.qnh_hpa = request.weather.temperature_c, request.weather.qnh_hpa
    lap.school_crosswind_limit_kt = request.school_crosswind_limit_kt
    lap.student_crosswind_limit_kt = request.student_crosswind_limit_kt
    lap.overruled = _OVERRULES.dump_python(request.overruled, mode='json') or None
    lap.conditions = _unusual(request) or None
    lap.belief = plain_belief(request.calibration)


def flown_requests(db: Session, laps: Sequence[Lap]) -> dict[uuid.UUID, BriefRequest]:
    """What laps were flown by; those that cannot be read are left out."""
    parts = versions.load(
        db,
        {
            name
            for lap in laps
            for name in (lap.aircraft_version, lap.runway_version, lap.standard_version, lap.technique_version)
        },
    )
    found = {}
    for lap in laps:
        with suppress(KeyError, *UNREADABLE):
            found[lap.id] = _request_of_lap(lap, parts)
    return found


def flown_request(db: Session, lap: Lap) -> BriefRequest:
    """What a lap was flown by.

    :raises UnreadableRow: when that cannot be told any more
    """
    try:
        return flown_requests(db, [lap])[lap.id]
    except KeyError:
        raise UnreadableRow(f'lap {lap.id} cannot be read') from None


def _request_of_lap(lap: Lap, parts: dict[uuid.UUID, Any]) -> BriefRequest:
    kept: dict[str, Any] = lap.conditions or {}
    conditions: dict[str, Any] = {name: tuple(v) if isinstance(v, list) else v for name, v in kept.items()}
    return BriefRequest(
        aircraft=parts[lap.aircraft_version],
        runway=parts[lap.runway_version],
        standard=parts[lap.standard_version],
        technique=parts[lap.technique_version],
        weather=Weather(
            wind_dir_deg_true=lap.briefed_wind_deg_true,
            wind_kt=lap.briefed_wind_kt,
            gust_kt=lap.briefed_gust_kt,
            temperature_c=lap.temperature_c,
            qnh_hpa=lap.qnh_hpa,
            **{name: value for name, value in conditions.items() if name in (*_REPORTED, 'is_old')},
        ),
        **{name: value for name, value in conditions.items() if name in _OF_THE_DAY},
        weight_lb=lap.weight_lb,
        landing=cast(LandingKind, lap.landing),
        spot_ft=lap.spot_ft,
        calibration=kept_belief(lap.belief),
        flap=lap.flap,
        approach_speed_kias=lap.approach_speed_kias,
        aim_point_ft=lap.aim_point_ft,
        school_crosswind_limit_kt=lap.school_crosswind_limit_kt,
        student_crosswind_limit_kt=lap.student_crosswind_limit_kt,
        overruled=_OVERRULES.validate_python(lap.overruled or []),
    )


@dataclass(frozen=True, slots=True)
class Believed:
    """What was believed before one lap of a sortie: when the lap was flown, with which flap, and by what belief."""

    flown_at: datetime
    flap: str
    belief: Calibration
    moves: bool  # whether the lap, as it was marked, may move the aim


@dataclass(slots=True)
class SortieSoFar:
    """What a sortie has taught so far, while many of its laps are written at once: read once, then kept in step."""

    teaching: dict[tuple[str, str], TeachingLaps] = field(default_factory=dict)
    believed: dict[str, list[Believed]] = field(default_factory=dict)  # by landing, oldest first
    request: BriefRequest | None = None  # the sortie's own, which stands while its laps are written

    def read(self, db: Session, sortie: Sortie, wanted: Iterable[tuple[str, str]]) -> None:
        """Read what is not known yet of kinds of landing, each with its flap."""
        new = [one for one in dict.fromkeys(wanted) if one not in self.teaching]
        if new:
            self.teaching |= teaching_laps(db, sortie, new)
        kinds = [kind for kind, _ in new if kind not in self.believed]
        if kinds:
            self.believed |= _believed(db, sortie, kinds)

    def forget(self) -> None:
        """Read all anew: something has changed that cannot be followed here."""
        self.teaching.clear()
        self.believed.clear()

    def has_written(self, lap: Lap, request: BriefRequest | None) -> None:
        """Follow a lap that was written; ``request`` is what a new one is flown by, None for one there was."""
        before = self.believed.get(lap.landing)
        followed = request is not None and (not before or lap.flown_at > before[-1].flown_at)
        if followed and request is not None and before is not None:
            moves = moves_the_aim(lap.marks or ())
            before.append(Believed(lap.flown_at, request.flap_setting.name, request.calibration, moves))
        if followed and lap.flown is not None:
            followed = all(
                known.add(lap, is_same_flap=flap == lap.flap, is_same_kind=landing == lap.landing)
                for (landing, flap), known in self.teaching.items()
            )
        if not followed:
            self.forget()


_STEPPED_LAPS = 40  # [own] of a sortie, which hardly anybody flies more of


def _believed(db: Session, sortie: Sortie, landings: Iterable[str]) -> dict[str, list[Believed]]:
    """What was believed when each of a sortie's laps was flown, by kind, oldest first; all in one statement."""
    kinds = tuple(dict.fromkeys(landings))
    rows = db.execute(
        select(Lap.landing, Lap.flown_at, Lap.flap, Lap.belief, Lap.marks)
        .where(Lap.sortie_id == sortie.id, Lap.landing.in_(kinds), Lap.removed_at.is_(None))
        .order_by(Lap.flown_at.desc(), Lap.id.desc())
        .limit(_STEPPED_LAPS * len(kinds))
    )
    found: dict[str, list[Believed]] = {kind: [] for kind in kinds}
    for landing, flown_at, flap, kept, marks in rows:
        if len(found[landing]) < _STEPPED_LAPS:
            with suppress(*UNREADABLE):
                found[landing].append(Believed(flown_at, flap, kept_belief(kept), moves_the_aim(marks or ())))
    return {kind: believed[::-1] for kind, believed in found.items()}


def live_request(
    db: Session,
    sortie: Sortie,
    *,
    landing: LandingKind | None = None,
    spot_ft: float | None = None,
    runway_end: RunwayEnd | None = None,
    alone: bool | None = None,
    so_far: SortieSoFar | None = None,
) -> BriefRequest:
    """The request of a sortie with all that its school, student and laps so far add; or of another kind, spot, runway.

    :param alone: whether a student flies it alone; None: as the sortie is flown
    :param so_far: what the sortie has taught so far, for a caller who writes many laps
    """
    request = _asked(sortie, landing=landing, spot_ft=spot_ft, runway_end=runway_end, so_far=so_far)
    if alone is not None and alone != request.alone:
        request = dataclasses.replace(request, alone=alone)
    if request.alone:
        end = runway_end or sortie.runway_end
        request = dataclasses.replace(request, **signed_for(db, sortie, end))
    kind, flap = request.landing, request.flap_setting.name
    prior = prior_deceleration_fps2(request)
    so_far = so_far or SortieSoFar()
    so_far.read(db, sortie, [(kind, flap)])
    known, laps = so_far.teaching[kind, flap], so_far.believed[kind]
    learned = known.belief(prior_deceleration_fps2=prior, power_share=power_share(kind))
    request = dataclasses.replace(request, calibration=learned)
    before = [one for one in laps if one.flap == flap]
    beliefs = [*(one.belief for one in before), learned]
    return _stepped(request, beliefs, sortie.school.aim_step_ft, moves=[one.moves for one in before])


def live_requests(
    db: Session, sortie: Sortie, kinds: Iterable[LandingKind], *, so_far: SortieSoFar | None = None
) -> dict[LandingKind, BriefRequest]:
    """The same in several kinds of landing, in as many statements as one; a kind that it cannot be is left out."""
    so_far, asked = so_far or SortieSoFar(), []
    for kind in dict.fromkeys(kinds):
        # what was planned by hand may be a kind that the sortie's standard does not judge
        with suppress(RefusedRequest):
            asked.append(_asked(sortie, landing=kind, spot_ft=None, runway_end=None, so_far=so_far))
    so_far.read(db, sortie, [(one.landing, one.flap_setting.name) for one in asked])
    return {one.landing: live_request(db, sortie, landing=one.landing, so_far=so_far) for one in asked}


def _asked(
    sortie: Sortie,
    *,
    landing: LandingKind | None,
    spot_ft: float | None,
    runway_end: RunwayEnd | None,
    so_far: SortieSoFar | None,
) -> BriefRequest:
    """The request of a sortie, or of another kind, spot, runway, before anything was learned."""
    is_elsewhere = runway_end is not None and runway_end.id != sortie.runway_end_id
    request = so_far.request if so_far is not None and not is_elsewhere else None
    if request is None:
        request = request_of(
            sortie,
            choices=Choices.of(sortie, runway_end=runway_end if is_elsewhere else None),
            school=sortie.school,
            spot_ft=spot_ft if is_elsewhere else None,  # the sortie's own may lie beyond the end of another runway
        )
        given = weather_given(sortie, now=datetime.now(UTC))
        if given == 'old':
            request = dataclasses.replace(request, weather=dataclasses.replace(request.weather, is_old=True))
    if so_far is not None and not is_elsewhere:
        so_far.request = request
    try:
        return request.elsewhere(landing=landing, spot_ft=spot_ft)
    except InvalidInput as error:
        raise RefusedRequest({error.field: str(error)}) from None


def _stepped(
    request: BriefRequest, beliefs: Sequence[Calibration], step_ft: float, *, moves: Sequence[bool]
) -> BriefRequest:
    """Hold what each lap taught within a step; an aim that would not be good so is left as it is worked out."""
    if len(beliefs) < 2 or request.overrule('aim_point_ft') is not None:
        return request
    held_ft = stepped_aim_ft(request, beliefs, step_ft=step_ft, moves=moves, aim_of_ft=aim_of_ft)
    if abs(held_ft - aim_of_ft(request)) < 0.5:
        return request
    held = dataclasses.replace(request, aim_point_ft=held_ft)
    if brief_of(held).aim.aim_is_good or not brief_of(request).aim.aim_is_good:
        return held
    return request  # an aim that is not good is not flown for the sake of a step
