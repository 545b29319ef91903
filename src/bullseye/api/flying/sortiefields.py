"""What a sortie is given and shown with."""

from __future__ import annotations

import re
from datetime import UTC, date, datetime, time
from typing import Annotated, Literal

from annotated_types import Ge, Le
from pydantic import MISSING, AwareDatetime, BeforeValidator, Field, JsonValue, WithJsonSchema

from bullseye.api.schema import Id, In, Out, ReportText, Text
from bullseye.core.air.wind import shown_magnetic_deg
from bullseye.core.basis.kinds import LandingKind, SurfaceState, TakeoffKind, WeatherGiven
from bullseye.core.basis.limits import (
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
from bullseye.core.brief.lapplan import PlannedLap
from bullseye.core.fly.pattern import PatternChoice
from bullseye.core.given.airfield import RunwayEnd
from bullseye.core.given.overrule import Overrule, OverruledNumber, Reason
from bullseye.store.equipment import catalogue
from bullseye.store.flying.requests import weather_given
from bullseye.store.rows.flying import Sortie

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
    alone: bool = False  # a student without an instructor
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
    alone: bool | MISSING = MISSING
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
    has_tailwheel: bool
    is_retractable: bool
    landing: LandingKind
    alone: bool  # a student without an instructor
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
                'alone',
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
                'has_tailwheel': aircraft.particulars.has_tailwheel,
                'is_retractable': aircraft.is_retractable,
                'flaps': [flap.name for flap in aircraft.flaps],
                'lightest_lb': aircraft.empty_weight_lb,
                'heaviest_lb': aircraft.max_weight_lb,
            }
        )
