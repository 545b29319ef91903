"""Sorties and their briefs."""

from __future__ import annotations

import math
import re
from dataclasses import asdict
from datetime import UTC, date, datetime, time
from typing import Annotated, Any, Literal

from annotated_types import Ge, Le
from apiflask import APIBlueprint
from flask import Response
from flask_login import login_required
from pydantic import MISSING, AwareDatetime, BeforeValidator, Field, JsonValue, WithJsonSchema

from bullseye.api.context import database, person, seen_revision
from bullseye.api.schema import Id, In, Out, ReportText, Text, true_wind
from bullseye.core.air.wind import shown_magnetic_deg
from bullseye.core.basis.kinds import LandingKind, SurfaceState, TakeoffKind, WeatherGiven
from bullseye.core.basis.limits import (
    AimFt,
    BookedMin,
    FuelGal,
    GustKt,
    QnhHpa,
    SpeedKias,
    SpotFt,
    TemperatureC,
    WeightLb,
    WindKt,
)
from bullseye.core.basis.quantity import Degrees
from bullseye.core.brief.kneeboard import Kneeboard, Paper
from bullseye.core.brief.landing import BriefAnswer
from bullseye.core.brief.lapplan import PlannedLap
from bullseye.core.brief.whatif import Change, compare
from bullseye.core.brief.whole import Parts
from bullseye.core.fly.cards import Card, all_cards
from bullseye.core.fly.pattern import PatternChoice
from bullseye.core.given.airfield import RunwayEnd
from bullseye.core.given.overrule import Overrule, OverruledNumber, Reason
from bullseye.store.equipment import catalogue
from bullseye.store.errors import ChangedMeanwhile
from bullseye.store.flying import laps, sorties
from bullseye.store.flying.kneeboard import kneeboard_of
from bullseye.store.flying.plan import planned
from bullseye.store.flying.requests import brief_of, changed_request, live_request, weather_given
from bullseye.store.rows.flying import Sortie

bp = APIBlueprint('sorties', __name__, url_prefix='/api/sorties', tag='Sorties')

_CLOCK = '^([01][0-9]|2[0-3]):[0-5][0-9](:[0-5][0-9])?$'


def _of_clock(value: object) -> object:
    """A time of another zone would be kept as if it were of ours."""
    if isinstance(value, time) or (isinstance(value, str) and re.fullmatch(_CLOCK, value)):
        return value
    raise ValueError('not a time of day in UTC, such as 14:30')


# JSON Schema's own format of a time wants a zone
ClockTime = Annotated[time, BeforeValidator(_of_clock), WithJsonSchema({'type': 'string', 'pattern': _CLOCK})]
PlannedOn = Annotated[date, Ge(date(2000, 1, 1)), Le(date(2099, 12, 31))]
WindSource = Literal['hand', 'report', 'sock']
WindReference = Literal['true', 'magnetic']


class SortieIn(In):
    """A new sortie; what is left out takes the usual value."""

    student_id: Id
    aircraft_id: Id
    runway_end_id: Id
    standard_id: Id
    landing: LandingKind
    wind_kt: WindKt | None = None  # None: nobody has said yet
    wind_dir_deg_mag: Degrees | None = None  # one direction: by the compass at the runway, or true as reports give it
    wind_dir_deg_true: Degrees | None = None
    gust_kt: GustKt | None = None
    temperature_c: TemperatureC = 15.0
    qnh_hpa: QnhHpa = 1_013.25
    planned_on: PlannedOn | None = None
    instructor_id: Id | None = None
    technique_id: Id | None = None
    flap: Text | None = None
    weight_lb: WeightLb | None = None
    spot_ft: SpotFt | None = None
    takeoff: TakeoffKind = 'normal'
    pattern: PatternChoice | None = None
    metar: ReportText | None = None
    wind_source: WindSource = 'hand'
    surface_state: SurfaceState = 'dry'
    planned_time: ClockTime | None = None
    booked_min: BookedMin = 60.0
    fuel_gal: FuelGal | None = None


class OverruleIn(In):
    """A number as the instructor has it, and why; who said so is known."""

    number: OverruledNumber
    value: Annotated[float, Ge(0), Le(20_000)]
    reason: Reason


class PeopleChange(In):
    """Who, when, in what."""

    student_id: Id | MISSING = MISSING
    instructor_id: Id | MISSING = MISSING
    aircraft_id: Id | MISSING = MISSING
    standard_id: Id | MISSING = MISSING
    technique_id: Id | MISSING = MISSING
    planned_on: PlannedOn | MISSING = MISSING
    planned_time: ClockTime | MISSING | None = MISSING
    booked_min: BookedMin | MISSING = MISSING


class WeatherChange(In):
    """The wind has one direction: by the compass at the runway, or true as reports give it."""

    wind_kt: WindKt | MISSING | None = MISSING  # null: nobody has given it
    wind_dir_deg_mag: Degrees | MISSING | None = MISSING
    wind_dir_deg_true: Degrees | MISSING | None = MISSING
    gust_kt: GustKt | MISSING | None = MISSING
    wind_source: WindSource | MISSING = MISSING
    temperature_c: TemperatureC | MISSING = MISSING
    qnh_hpa: QnhHpa | MISSING = MISSING
    metar: ReportText | MISSING | None = MISSING
    surface_state: SurfaceState | MISSING = MISSING


class FlyingChange(In):
    """What is flown, where, and how."""

    runway_end_id: Id | MISSING = MISSING
    landing: LandingKind | MISSING = MISSING
    flap: Text | MISSING = MISSING
    weight_lb: WeightLb | MISSING = MISSING
    fuel_gal: FuelGal | MISSING | None = MISSING
    spot_ft: SpotFt | MISSING = MISSING
    approach_speed_kias: SpeedKias | MISSING | None = MISSING
    takeoff: TakeoffKind | MISSING = MISSING
    pattern: PatternChoice | MISSING | None = MISSING
    overruled: Annotated[list[OverruleIn], Field(max_length=20)] | MISSING = MISSING  # all that hold from now on
    lap_plan: Annotated[list[PlannedLap], Field(max_length=20)] | MISSING | None = MISSING


class SortieChange(FlyingChange, WeatherChange, PeopleChange):
    """What to change of a sortie; what is left out stays.

    ``was``: what is changed, as whoever changes it saw it; where it is no longer so, nothing is written.
    """

    was: dict[str, JsonValue] | MISSING = MISSING


class Named(Out):
    """A row by number and name."""

    id: int
    name: str


class FieldEnd(Out):
    """One landing direction of the sortie's field; a lap may be flown to another than the sortie's."""

    id: int
    course_deg_mag: float
    runway: RunwayEnd


class SortiePeople(Out):
    """Who flies, when, in what."""

    id: int
    planned_on: date
    planned_time: ClockTime | None
    booked_min: float
    student: Named
    instructor: Named
    aircraft: Named
    standard: Named
    technique: Named
    cancelled_for: str | None  # why it is not flown; null: it is
    is_mock_test: bool
    revision: int  # to be given back as If-Match when it is changed


class SortiePlace(Out):
    """Where a sortie flies."""

    airfield: str
    airfield_id: int
    airfield_is_fictional: bool
    pattern_altitude_ft: float
    runway_end_id: int
    runway: RunwayEnd
    course_deg_mag: float
    ends: list[FieldEnd]


class SortieWeather(Out):
    """The day's weather, and what it leaves of the surface."""

    wind_dir_deg_true: float | None
    wind_dir_deg_mag: float | None  # by the compass at its runway
    wind_reference: WindReference
    wind_kt: float | None  # null: nobody has given it, which is no calm
    gust_kt: float | None
    wind_source: WindSource
    temperature_c: float
    qnh_hpa: float
    metar: str | None
    surface_state: SurfaceState
    weather_at: AwareDatetime | None  # when it was given; null: never
    weather_given: WeatherGiven


class SortieFlying(Out):
    """What is flown, and how."""

    flaps: list[str]
    landing: LandingKind
    flap: str
    weight_lb: float
    lightest_lb: float
    heaviest_lb: float
    fuel_gal: float | None
    spot_ft: float
    approach_speed_kias: float | None
    takeoff: TakeoffKind
    pattern: PatternChoice | None
    overruled: list[Overrule]
    lap_plan: list[PlannedLap] | None


class SortieOut(SortieFlying, SortieWeather, SortiePlace, SortiePeople):
    """A sortie with what it chose."""

    @classmethod
    def of(cls, sortie: Sortie) -> SortieOut:
        """Reply for a row."""
        aircraft = catalogue.aircraft_of(sortie.aircraft)
        runway = catalogue.runway_of(sortie.runway_end)
        in_use = [row for row in sortie.runway_end.airfield.ends if row.removed_at is None]
        ends = [(row, catalogue.runway_of(row)) for row in in_use]
        plain = (
            *('id', 'planned_on', 'runway_end_id', 'landing', 'flap', 'weight_lb', 'spot_ft', 'approach_speed_kias'),
            *('wind_dir_deg_true', 'wind_reference', 'wind_kt', 'gust_kt', 'temperature_c', 'qnh_hpa'),
            *(
                'takeoff',
                'pattern',
                'metar',
                'wind_source',
                'surface_state',
                'planned_time',
                'booked_min',
                'cancelled_for',
                'is_mock_test',
                'weather_at',
                'revision',
                'fuel_gal',
                'lap_plan',
            ),
        )
        named = ('student', 'instructor', 'aircraft', 'standard', 'technique')
        return cls.model_validate(
            {
                **{name: getattr(sortie, name) for name in plain},
                **{name: Named.model_validate(getattr(sortie, name)) for name in named},
                'overruled': sortie.overruled or [],
                'weather_given': weather_given(sortie, now=datetime.now(UTC)),
                'airfield': sortie.runway_end.airfield.name,
                'airfield_id': sortie.runway_end.airfield_id,
                'airfield_is_fictional': sortie.runway_end.airfield.is_fictional,
                'runway': runway,
                'wind_dir_deg_mag': shown_magnetic_deg(
                    sortie.wind_dir_deg_true, variation_deg=runway.magnetic_variation_deg
                ),
                'pattern_altitude_ft': sortie.runway_end.airfield.pattern_altitude_ft,
                'course_deg_mag': runway.course_deg_mag,
                'ends': [FieldEnd(id=row.id, course_deg_mag=end.course_deg_mag, runway=end) for row, end in ends],
                'flaps': [flap.name for flap in aircraft.flaps],
                'lightest_lb': aircraft.empty_weight_lb,
                'heaviest_lb': aircraft.max_weight_lb,
            }
        )


class BriefChanges(In):
    """What to ask differently from the sortie as kept; what is left out stays as kept."""

    # one direction: by the compass at the runway, or true as reports give it
    wind_dir_deg_mag: Degrees | MISSING | None = MISSING
    wind_dir_deg_true: Degrees | MISSING | None = MISSING
    wind_kt: WindKt | MISSING = MISSING
    gust_kt: GustKt | MISSING | None = MISSING
    temperature_c: TemperatureC | MISSING = MISSING
    qnh_hpa: QnhHpa | MISSING = MISSING
    weight_lb: WeightLb | MISSING = MISSING
    flap: Text | MISSING | None = MISSING
    spot_ft: SpotFt | MISSING = MISSING
    approach_speed_kias: SpeedKias | MISSING | None = MISSING
    aim_point_ft: AimFt | MISSING | None = MISSING
    landing: LandingKind | MISSING = MISSING
    runway_end_id: Id | MISSING | None = MISSING


class PlanChanges(In):
    """Another takeoff or pattern than the sortie keeps; what is left out stays."""

    takeoff: TakeoffKind | None = None
    pattern: PatternChoice | None = None


class PlanOut(Out):
    """The brief's other parts: runway, takeoff, pattern and power-off reach."""

    plan: Parts


class BriefOut(Out):
    """A brief, and what the changes did to it."""

    brief: BriefAnswer
    change: Change | None


@bp.post('')
@login_required
@bp.input(SortieIn)
@bp.output(SortieOut, status_code=201)
@bp.doc(responses=[401, 403])
def create_sortie(json_data: SortieIn) -> SortieOut:
    """Plan a sortie."""
    values = {k: v for k, v in json_data.model_dump().items() if v is not None or k == 'gust_kt'}
    return SortieOut.of(sorties.create(database(), by=person(), values=values))


@bp.get('/<int:sortie_id>')
@login_required
@bp.output(SortieOut)
@bp.doc(responses=[401, 404])
def read_sortie(sortie_id: int) -> SortieOut:
    """Read one sortie."""
    return SortieOut.of(sorties.find(database(), sortie_id, person=person()))


def _plain(change: SortieChange) -> dict[str, Any]:
    """What is said of a sortie, as the store takes it; what is left out is not in it."""
    values = change.model_dump(exclude={'was'})
    if isinstance(change.lap_plan, list):
        values['lap_plan'] = [asdict(lap) for lap in change.lap_plan]
    return values


def _require_unchanged(sortie: Sortie, change: SortieChange, seen: dict[str, JsonValue]) -> None:
    """Refuse a change of what somebody else has changed since it was seen; the same change by both is none."""
    now = SortieOut.of(sortie).model_dump(mode='json')
    now |= {f'{name}_id': now[name]['id'] for name in ('student', 'instructor', 'aircraft', 'standard', 'technique')}
    wanted = change.model_dump(mode='json', exclude={'was'})
    for name, mine in wanted.items():
        if name not in seen or name not in now:
            continue
        theirs = now[name]
        if not _same(theirs, seen[name]) and not _same(theirs, mine):
            raise ChangedMeanwhile(
                f'Somebody else set {_SAID.get(name, name)} meanwhile{_told(theirs)}; you would set it'
                f'{_told(mine) or " otherwise"}. Look again, and set it once more if yours is right.',
                {name: theirs},
            )


_SAID = {
    'wind_kt': 'the wind',
    'wind_dir_deg_mag': 'the direction of the wind',
    'wind_dir_deg_true': 'the direction of the wind',
    'gust_kt': 'the gusts',
    'temperature_c': 'the temperature',
    'qnh_hpa': 'the pressure',
    'weight_lb': 'the weight',
    'fuel_gal': 'the fuel',
    'spot_ft': 'the spot',
    'approach_speed_kias': 'the approach speed',
    'runway_end_id': 'the runway',
    'landing': 'the landing',
    'flap': 'the flap',
    'takeoff': 'the takeoff',
    'pattern': 'the pattern',
    'overruled': 'the numbers set by hand',
    'lap_plan': 'the plan of the laps',
    'planned_on': 'the day',
    'planned_time': 'the time',
    'student_id': 'the student',
    'instructor_id': 'the instructor',
    'aircraft_id': 'the aircraft',
    'technique_id': 'the technique',
    'standard_id': 'the standard',
}


def _same(one: Any, other: Any) -> bool:
    if isinstance(one, float | int) and isinstance(other, float | int):
        return math.isclose(one, other, abs_tol=0.05)
    return bool(one == other) or (not one and not other)


def _told(value: Any) -> str:
    """A number or a word as part of a sentence; nothing of what is neither, such as a row's number."""
    return f' to {value:g}' if isinstance(value, float) else ''


@bp.patch('/<int:sortie_id>')
@login_required
@bp.input(SortieChange)
@bp.output(SortieOut)
@bp.doc(responses=[401, 403, 404, 409, 428])
def change_sortie(sortie_id: int, json_data: SortieChange) -> SortieOut:
    """Change a sortie; laps flown before keep the brief they were flown by.

    ``If-Match`` names the revision that was seen. A change of an older one counts where ``was`` shows that what it
    changes is still as it was seen.
    """
    db, seen = database(), seen_revision()
    sortie = sorties.find(db, sortie_id, person=person(), right='coach', lock=True)
    was = json_data.was if isinstance(json_data.was, dict) else {}
    _require_unchanged(sortie, json_data, was)
    if seen is not None and sortie.revision != seen and json_data.model_fields_set - {'was'} - was.keys():
        raise ChangedMeanwhile(
            'Somebody else changed this sortie meanwhile. Look again, and change it once more.',
            {'revision': sortie.revision},
        )
    changed = sorties.change(db, sortie, by=person(), values=_plain(json_data))
    return SortieOut.of(changed)


@bp.post('/<int:sortie_id>/brief')
@login_required
@bp.input(BriefChanges)
@bp.output(BriefOut)
@bp.doc(responses=[401, 404])
def brief_sortie(sortie_id: int, json_data: BriefChanges) -> BriefOut:
    """Work out the brief of a sortie as kept, or as it would be with changes; nothing is written."""
    db = database()
    sortie = sorties.find(db, sortie_id, person=person())
    request = live_request(db, sortie)
    kept = brief_of(request)
    changes: dict[str, Any] = json_data.model_dump()
    if not changes:
        return BriefOut(brief=kept, change=None)
    landing, end = changes.pop('landing', None), laps.runway_end(db, changes.pop('runway_end_id', None))
    asked = request
    if landing is not None or end is not None:
        spot_ft = changes.pop('spot_ft', None)  # at once with the runway: that of the sortie may lie beyond its end
        asked = live_request(db, sortie, landing=landing, spot_ft=spot_ft, runway_end=end)
    asked = changed_request(asked, true_wind(changes, asked.runway))
    brief = brief_of(asked)
    return BriefOut(brief=brief, change=compare(before=kept, after=brief, after_request=asked))


@bp.post('/<int:sortie_id>/plan')
@login_required
@bp.input(PlanChanges)
@bp.output(PlanOut)
@bp.doc(responses=[401, 404])
def plan_sortie(sortie_id: int, json_data: PlanChanges) -> PlanOut:
    """Work out runway, takeoff, pattern and power-off reach, as kept or with changes; nothing is written."""
    db = database()
    sortie = sorties.find(db, sortie_id, person=person())
    return PlanOut(plan=planned(db, sortie, takeoff=json_data.takeoff, pattern=json_data.pattern).parts)


class KneeboardOut(Out):
    """A kneeboard card."""

    kneeboard: Kneeboard


@bp.get('/<int:sortie_id>/kneeboard')
@login_required
@bp.output(KneeboardOut)
@bp.doc(responses=[401, 404])
def read_kneeboard(sortie_id: int) -> KneeboardOut:
    """The kneeboard card of a sortie as it is briefed now."""
    db = database()
    return KneeboardOut(kneeboard=kneeboard_of(db, sorties.find(db, sortie_id, person=person())))


@bp.get('/<int:sortie_id>/kneeboard-<any(a5, a4):paper>.pdf')
@login_required
@bp.doc(responses={200: 'The card as PDF', 401: 'Not signed in', 404: 'No such sortie'})
def print_kneeboard(sortie_id: int, paper: Paper) -> Response:
    """The kneeboard card as PDF: one A5 page, or twice on A4."""
    from bullseye.paper.kneeboard import kneeboard_pdf  # here: what draws PDF takes long to load, and is seldom needed

    db = database()
    card = kneeboard_of(db, sorties.find(db, sortie_id, person=person()))
    return Response(
        kneeboard_pdf(card, paper=paper),
        mimetype='application/pdf',
        headers={'Content-Disposition': f'inline; filename="kneeboard-{sortie_id}.pdf"'},
    )


class CardsOut(Out):
    """Cards of every landing and exercise."""

    cards: list[Card]


@bp.get('/<int:sortie_id>/cards')
@login_required
@bp.output(CardsOut)
@bp.doc(responses=[401, 404])
def read_cards(sortie_id: int) -> CardsOut:
    """Every card as the technique of a sortie flies it: landings, go-around, low approach, hold-off drill."""
    sortie = sorties.find(database(), sortie_id, person=person())
    technique, aircraft = catalogue.technique_of(sortie.technique), catalogue.aircraft_of(sortie.aircraft)
    return CardsOut(cards=list(all_cards(technique, aircraft)))
