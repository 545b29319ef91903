"""What a brief is asked with: read from plain data, refused field by field."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from functools import cache
from typing import Annotated, Any, get_args

from pydantic import Field, TypeAdapter, ValidationError

from bullseye.core.air.wind import Wind, given_direction_deg_true
from bullseye.core.basis.constants import LEAST_CEILING_FT, LEAST_STALL_MARGIN, LEAST_VISIBILITY_M
from bullseye.core.basis.errors import BullseyeError, InvalidInput
from bullseye.core.basis.kinds import (
    TAILWHEEL_ONLY,
    LandingKind,
    SignedState,
    StandardCode,
    SurfaceState,
    WeatherGiven,
    WeatherHazard,
)
from bullseye.core.basis.limits import (
    AimFt,
    CeilingFt,
    CrosswindLimitKt,
    GustKt,
    QnhHpa,
    SpeedKias,
    SpotFt,
    TemperatureC,
    VisibilityM,
    WeightLb,
    WindKt,
)
from bullseye.core.basis.quantity import Checked, Degrees, Name
from bullseye.core.basis.refusal import found_wrong, refused
from bullseye.core.given.aircraft import Aircraft, FlapSetting
from bullseye.core.given.airfield import RunwayEnd
from bullseye.core.given.belief import Calibration
from bullseye.core.given.overrule import Overrule, OverruledNumber
from bullseye.core.given.standards import BUILT_IN, Standard, Tolerance
from bullseye.core.given.technique import Technique, usual_flap


@dataclass(frozen=True, slots=True, kw_only=True)
class Weather(Checked):
    """Wind and air. Name one wind direction, true or magnetic; none means variable, or calm at 0 kt.

    ``wind_kt`` is None where nobody has given the wind: that is no calm, and nothing may take it for one.
    """

    temperature_c: TemperatureC
    qnh_hpa: QnhHpa
    wind_kt: WindKt | None = None
    wind_dir_deg_true: Degrees | None = None
    wind_dir_deg_mag: Degrees | None = None
    gust_kt: GustKt | None = None
    wind_range_from_deg_true: Degrees | None = None  # of a direction that swings, as in 340V120, clockwise
    wind_range_to_deg_true: Degrees | None = None
    visibility_m: VisibilityM | None = None
    ceiling_ft: CeilingFt | None = None  # lowest broken or overcast cloud above the field
    hazards: Annotated[tuple[WeatherHazard, ...], Field(max_length=20)] = ()
    later: Annotated[tuple[WeatherHazard, ...], Field(max_length=20)] = ()  # hazards forecast within the lesson
    is_old: bool = False  # of another time than the flight's

    def check_together(self) -> None:
        if self.wind_kt is None:
            of_wind = ('wind_dir_deg_true', 'wind_dir_deg_mag', 'gust_kt', 'wind_range_from_deg_true')
            if any(getattr(self, name) is not None for name in (*of_wind, 'wind_range_to_deg_true')):
                raise InvalidInput('wind_kt', None, 'how fast the wind blows, with its direction or gust')
        self.wind(variation_deg=0.0)

    @property
    def is_known(self) -> bool:
        """Whether anybody has given the wind."""
        return self.wind_kt is not None

    @property
    def given(self) -> WeatherGiven:
        """Whether the weather is of the flight, of another time, or of nobody."""
        return 'never' if self.wind_kt is None else 'old' if self.is_old else 'current'

    def wind(self, *, variation_deg: float) -> Wind | None:
        """The wind by its true direction, None where nobody has given it; variation is positive east."""
        if self.wind_kt is None:
            return None
        direction = given_direction_deg_true(
            wind_dir_deg_true=self.wind_dir_deg_true,
            wind_dir_deg_mag=self.wind_dir_deg_mag,
            variation_deg=variation_deg,
        )
        return Wind(
            direction_deg_true=direction,
            speed_kt=self.wind_kt,
            gust_kt=self.gust_kt,
            range_from_deg_true=self.wind_range_from_deg_true,
            range_to_deg_true=self.wind_range_to_deg_true,
        )


@dataclass(frozen=True, slots=True, kw_only=True)
class BriefRequest(Checked):
    """Everything a brief depends on.

    ``approach_speed_kias`` and ``aim_point_ft`` ask "what if"; without them both are worked out. Places are feet from
    the landing threshold.
    """

    aircraft: Aircraft
    runway: RunwayEnd
    weather: Weather
    weight_lb: WeightLb
    landing: LandingKind
    standard: Standard
    spot_ft: SpotFt
    technique: Technique = field(default_factory=Technique)
    calibration: Calibration = field(default_factory=Calibration)
    flap: Name | None = None
    approach_speed_kias: SpeedKias | None = None
    aim_point_ft: AimFt | None = None
    school_crosswind_limit_kt: CrosswindLimitKt | None = None
    student_crosswind_limit_kt: CrosswindLimitKt | None = None
    surface_state: SurfaceState = 'dry'
    least_ceiling_ft: CeilingFt = LEAST_CEILING_FT  # the school's minima
    least_visibility_m: VisibilityM = LEAST_VISIBILITY_M
    overruled: Annotated[tuple[Overrule, ...], Field(max_length=20)] = ()
    alone: bool = False  # a student without an instructor: limits of students alone bind
    signed_wind_kt: WindKt | None = None  # of their solo sign-off
    signed_crosswind_kt: CrosswindLimitKt | None = None
    signed_state: SignedState | None = None  # of that sign-off on this day and at this field; None: nobody asked

    def check_together(self) -> None:
        self.aircraft.weight_ratio(self.weight_lb)
        flap = self.flap_setting
        if self.landing in TAILWHEEL_ONLY and not self.aircraft.particulars.has_tailwheel:
            raise InvalidInput('landing', self.landing, 'for an aircraft with a tailwheel only')
        if self.landing == 'no_flap' and flap is not self.aircraft.flaps[0]:
            raise InvalidInput('flap', flap.name, f'{self.aircraft.flaps[0].name}, for a landing without flap')
        if self.spot_ft >= self.runway.landing_distance_available_ft:
            raise InvalidInput(
                'spot_ft', self.spot_ft, f'on the runway, below {self.runway.landing_distance_available_ft:g}'
            )
        _ = self.tolerance
        numbers = [one.number for one in self.overruled]
        if len(set(numbers)) != len(numbers):
            raise InvalidInput('overruled', numbers, 'each number once')
        speed_kias = self.asked_speed_kias
        if speed_kias is not None:
            stall_kcas = self.aircraft.stall_kcas(flap=flap, weight_lb=self.weight_lb)
            least_kias = flap.airspeed_table.indicated_kt(LEAST_STALL_MARGIN * stall_kcas)
            if speed_kias < least_kias:
                raise InvalidInput(
                    'approach_speed_kias',
                    speed_kias,
                    f'at least {LEAST_STALL_MARGIN:g} of the stalling speed, {least_kias:.1f} KIAS',
                )

        self._check_places_set()
        self._check_takeoff_speeds()

    @property
    def tolerance(self) -> Tolerance:
        """What the landing is measured against, its window in feet from the spot.

        :raises InvalidInput: when the standard has no such task, or its window is not known
        """
        return self.standard.planned(
            self.landing, spot_ft=self.spot_ft, available_ft=self.runway.landing_distance_available_ft
        )

    def _check_places_set(self) -> None:
        """A place that the instructor sets lies on the runway."""
        available_ft, length_ft = self.runway.landing_distance_available_ft, self.runway.length_ft
        ends: tuple[tuple[OverruledNumber, float], ...] = (
            ('aim_point_ft', available_ft),
            ('go_around_point_ft', available_ft),
            ('abort_point_ft', length_ft),
        )
        for number, end_ft in ends:
            set_ft = self.overrule(number)
            if set_ft is not None and set_ft >= end_ft:
                raise InvalidInput(number, set_ft, f'on the runway, below {end_ft:,g} ft')

    def _check_takeoff_speeds(self) -> None:
        """A lift-off below the stall, or a climb within a tenth of it, is not flown, whoever sets it."""
        flap = self.aircraft.climb_flap
        stall_kcas = self.aircraft.stall_kcas(flap=flap, weight_lb=self.weight_lb)
        least: tuple[tuple[OverruledNumber, float], ...] = (
            ('rotate_kias', 1.0),
            ('vx_kias', LEAST_STALL_MARGIN),
            ('vy_kias', LEAST_STALL_MARGIN),
        )
        for number, margin in least:
            set_kias = self.overrule(number)
            least_kias = flap.airspeed_table.indicated_kt(margin * stall_kcas)
            if set_kias is not None and set_kias < least_kias:
                accepted = f'at least {margin:g} of the stalling speed with flap {flap.name}, {least_kias:.1f} KIAS'
                raise InvalidInput(number, set_kias, accepted)

    def overrule(self, number: OverruledNumber) -> float | None:
        """What the instructor set a number to; None where it is as worked out."""
        return next((one.value for one in self.overruled if one.number == number), None)

    @property
    def asked_speed_kias(self) -> float | None:
        """The approach speed that is asked for, else what the instructor set; None: as worked out."""
        asked_kias = self.approach_speed_kias
        return self.overrule('approach_speed_kias') if asked_kias is None else asked_kias

    @property
    def asked_aim_ft(self) -> float | None:
        """The aim point that is asked for, else what the instructor set; None: as worked out."""
        return self.overrule('aim_point_ft') if self.aim_point_ft is None else self.aim_point_ft

    def elsewhere(self, *, landing: LandingKind | None = None, spot_ft: float | None = None) -> BriefRequest:
        """The same for another kind or spot: what was chosen or set holds for the landing it was set for.

        Another kind has its usual flap, its own speed and its own roll; another spot has its own aim point, and keeps
        the rest: the roll and the place to go around by are those of the runway.
        """
        other_kind = landing is not None and landing != self.landing
        other_spot = spot_ft is not None and spot_ft != self.spot_ft
        if not (other_kind or other_spot):
            return self
        goes = {'aim_point_ft'}
        if other_kind:
            goes |= {'approach_speed_kias', 'go_around_point_ft', 'landing_roll_ft'}
        return replace(
            self,
            landing=landing or self.landing,
            spot_ft=self.spot_ft if spot_ft is None else spot_ft,
            flap=None if other_kind else self.flap,
            approach_speed_kias=None if other_kind else self.approach_speed_kias,
            overruled=tuple(one for one in self.overruled if one.number not in goes),
        )

    @property
    def wind(self) -> Wind | None:
        """The wind by its true direction, None where nobody has given it.

        One given as magnetic is turned by the variation of the runway.
        """
        return self.weather.wind(variation_deg=self.runway.magnetic_variation_deg)

    @property
    def assumed_wind(self) -> Wind:
        """The wind that speeds, aim and touchdown are worked out for: a calm where nobody has given it.

        What they are worked out for is said beside them, and no margin, distance or limit takes it.
        """
        return self.wind or Wind(direction_deg_true=None, speed_kt=0.0)

    @property
    def gust_spread_kt(self) -> float:
        """Gust less steady wind [kt]; 0 when no gust is reported, or no wind."""
        return self.assumed_wind.gust_spread_kt

    @property
    def flap_setting(self) -> FlapSetting:
        """Flap the landing is made with: the one named, else the usual one of its kind."""
        names = [flap.name for flap in self.aircraft.flaps]
        return self.aircraft.flap(self.flap or usual_flap(names, self.landing, self.technique))


class RefusedRequest(BullseyeError, ValueError):
    """A request with wrong fields; ``errors`` maps the path of each to its message."""

    code = 'invalid_input'

    def __init__(self, errors: Mapping[str, str]) -> None:
        self.errors = dict(errors)
        super().__init__('; '.join(f'{field}: {message}' for field, message in errors.items()))


@cache
def request_adapter() -> TypeAdapter[BriefRequest]:
    """Reader of requests, made once."""
    return TypeAdapter(BriefRequest)


def messages(error: ValidationError) -> dict[str, str]:
    """One message a field, in our words, keyed by its dotted path."""
    found: dict[str, str] = {}
    for item in error.errors(include_url=False):
        path = [str(part) for part in item['loc']]
        given, context = item['input'], item.get('ctx', {})
        original = context.get('error')
        if isinstance(original, InvalidInput):
            path.append(original.field)
            message = str(original)
        else:
            message = found_wrong(item['type'], path, given, context, item['msg'])
        found.setdefault('.'.join(path) or 'request', message)
    return found


def parse_request(data: object, *, aircraft_by_name: Mapping[str, Aircraft]) -> BriefRequest:
    """Read a request from plain data, as it comes out of JSON.

    :param aircraft_by_name: what a name in place of an aircraft object may stand for
    :raises RefusedRequest: with a message for each wrong field
    """
    if not isinstance(data, dict):
        raise RefusedRequest({'request': 'the request is not an object'})
    filled: dict[str, Any] = dict(data)
    early: dict[str, str] = {}
    if isinstance(name := filled.get('aircraft'), str):
        if name in aircraft_by_name:
            filled['aircraft'] = aircraft_by_name[name]
        else:
            early['aircraft'] = refused('aircraft', name, f'{", ".join(aircraft_by_name)} or an object')
    if isinstance(code := filled.get('standard'), str):
        if code in get_args(StandardCode):
            filled['standard'] = BUILT_IN[code]  # type: ignore[index]
        else:
            early['standard'] = refused('standard', code, f'{", ".join(BUILT_IN)} or an object')
    try:
        request = request_adapter().validate_python(filled)
    except ValidationError as error:
        late = {path: text for path, text in messages(error).items() if path.split('.')[0] not in early}
        raise RefusedRequest({**early, **late}) from None
    return request


def request_schema(aircraft_names: list[str]) -> dict[str, Any]:
    """JSON Schema of a request, with the names that may stand for objects."""
    schema = request_adapter().json_schema()
    properties = schema['properties']
    properties['aircraft'] = {'anyOf': [{'enum': aircraft_names}, properties['aircraft']]}
    properties['standard'] = {'anyOf': [{'enum': list(BUILT_IN)}, properties['standard']]}
    return schema
