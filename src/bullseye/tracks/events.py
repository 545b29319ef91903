"""What an analysis finds: events, laps, winds; one class each from the analysis to the database, the API and files.

Unknown is None. Written out, numbers are rounded to what they are good for and moments are ISO 8601 in UTC.
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from datetime import UTC, datetime
from typing import Annotated, Any, Literal

from pydantic import BeforeValidator, Field, PlainSerializer, TypeAdapter, WithJsonSchema

EventKind = Literal['takeoff', 'touchdown', 'go_around', 'low_approach']
Then = Literal['full_stop', 'touch_and_go', 'stop_and_go']


def iso(time_s: float) -> str:
    """Seconds since 1970 UTC as ISO 8601, with milliseconds."""
    return datetime.fromtimestamp(time_s, tz=UTC).isoformat(timespec='milliseconds').replace('+00:00', 'Z')


def _seconds(value: Any) -> Any:
    return datetime.fromisoformat(value).timestamp() if isinstance(value, str) else value


def _rounded(digits: int) -> PlainSerializer:
    def plain(value: float | None) -> float | None:
        return round(value, digits) if value is not None and math.isfinite(value) else None

    return PlainSerializer(plain, return_type=float | None)


MomentS = Annotated[  # seconds since 1970 UTC
    float,
    BeforeValidator(_seconds),
    PlainSerializer(iso, return_type=str),
    WithJsonSchema({'type': 'string', 'format': 'date-time'}),
]
Tenths = Annotated[float, _rounded(1)]
Hundredths = Annotated[float, _rounded(2)]
Place = Annotated[float, _rounded(7)]  # degrees: a hundredth of a foot
Whole = Annotated[float, _rounded(0)]


@dataclass(frozen=True, slots=True, kw_only=True)
class FinalFlown:
    """The end of the approach: over the threshold, and the path that was pointed at."""

    threshold_height_ft: Tenths | None = None
    threshold_groundspeed_kt: Tenths | None = None
    threshold_airspeed_kt: Tenths | None = None
    path_angle_deg: Hundredths | None = None
    aim_flown_ft: Tenths | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class HoldOffFlown:
    """From the start of the roundout to the touch."""

    roundout_start_ft: Tenths | None = None
    float_ft: Tenths | None = None
    float_uncertainty_ft: Tenths | None = None
    float_s: Hundredths | None = None
    deceleration_fps2: Hundredths | None = None  # as fitted


@dataclass(frozen=True, slots=True, kw_only=True)
class Event:
    """One takeoff, touchdown, go-around or low approach; feet from the landing threshold, in its direction.

    ``uncertainty_ft`` is a 95 % half-width of ``along_ft``, the others with ``uncertainty`` in their names likewise.
    """

    kind: EventKind
    time_s: Annotated[MomentS, Field(alias='time')]
    field: str | None  # None: on no known runway
    runway: str | None
    latitude_deg: Place
    longitude_deg: Place
    course_deg_true: Tenths | None = None
    along_ft: Tenths | None = None
    from_spot_ft: Tenths | None = None
    lateral_ft: Tenths | None = None
    lateral_uncertainty_ft: Tenths | None = None
    uncertainty_ft: Tenths | None = None
    groundspeed_kt: Tenths | None = None
    airspeed_kt: Tenths | None = None
    sink_fpm: Tenths | None = None
    crab_deg: Tenths | None = None
    drift_kt: Tenths | None = None
    then: Then | None = None
    bounces: int | None = None
    final: FinalFlown = FinalFlown()
    hold_off: HoldOffFlown = HoldOffFlown()
    liftoff_roll_ft: Tenths | None = None
    lowest_ft: Tenths | None = None  # of a go-around or low approach, over the runway's pavement
    rollout_ft: Tenths | None = None  # from touchdown to taxiing speed, or to power
    in_gap: bool = False  # the recorder was silent there: the place is the middle of what is possible


@dataclass(frozen=True, slots=True, kw_only=True)
class Gate:
    """The aeroplane at one height on final, or at the threshold."""

    height_ft: Tenths
    along_ft: Tenths
    lateral_ft: Tenths
    groundspeed_kt: Tenths
    above_path_ft: Tenths  # against the runway's path to the aim that was flown


@dataclass(frozen=True, slots=True, kw_only=True)
class Turn:
    """One turn of the pattern; the bank is what the ground track would need in still air."""

    name: str
    from_s: Annotated[MomentS, Field(alias='from')]
    to_s: Annotated[MomentS, Field(alias='to')]
    most_bank_deg: Tenths


@dataclass(frozen=True, slots=True, kw_only=True)
class LowPass:
    """Slow flight along the runway: the furthest from its centreline, right of it positive, and highest less lowest."""

    from_s: Annotated[MomentS, Field(alias='from')]
    to_s: Annotated[MomentS, Field(alias='to')]
    lateral_ft: Tenths
    lateral_uncertainty_ft: Tenths
    height_range_ft: Tenths
    height_range_uncertainty_ft: Tenths


@dataclass(frozen=True, slots=True, kw_only=True)
class HeldAloft:
    """A hold-off without a runway, as it is practised at altitude; ``uncertainty_s`` holds 95 %."""

    from_s: Annotated[MomentS, Field(alias='from')]
    to_s: Annotated[MomentS, Field(alias='to')]
    held_s: Hundredths
    uncertainty_s: Hundredths


@dataclass(frozen=True, slots=True, kw_only=True)
class Lap:
    """From one leaving of the runway to the next landing or going around."""

    number: int
    from_s: Annotated[MomentS, Field(alias='from')]
    to_s: Annotated[MomentS, Field(alias='to')]
    field: str | None
    runway: str | None
    end: int  # index of the event that ends it
    takeoff: int | None  # index of the event that began it
    side: Literal['left', 'right', 'straight_in'] | None
    pattern_height_error_ft: Tenths | None  # downwind, against the pattern altitude
    spacing_ft: Tenths | None  # of the downwind from the runway
    overshoot_ft: Tenths | None  # across the extended centreline before final
    first_turn_height_ft: Tenths | None
    climb_groundspeed_kt: Tenths | None
    turns: tuple[Turn, ...]
    gates: tuple[Gate, ...]
    stabilised: bool | None
    path_error_ft: Tenths | None  # greatest, from 300 ft down
    downwind_groundspeed_kt: Tenths | None = None
    downwind_off_deg: Tenths | None = None  # positive: running away from the runway
    low_pass: LowPass | None = None  # of one that ended with a low approach


@dataclass(frozen=True, slots=True, kw_only=True)
class WindFound:
    """A wind that the track shows; the uncertainty is a 95 % half-width of each component."""

    from_s: Annotated[MomentS, Field(alias='from')]
    to_s: Annotated[MomentS, Field(alias='to')]
    from_deg_true: Whole
    speed_kt: Tenths
    uncertainty_kt: Tenths
    turns: int
    source: str


@dataclass(frozen=True, slots=True, kw_only=True)
class FlightReport:
    """All that was found in a recorded flight."""

    format: str
    device: str | None
    fixes: int
    from_s: Annotated[MomentS, Field(alias='from')]
    to_s: Annotated[MomentS, Field(alias='to')]
    events: tuple[Event, ...]
    laps: tuple[Lap, ...]
    wind: tuple[WindFound, ...]
    warnings: tuple[str, ...]
    held_aloft: tuple[HeldAloft, ...] = ()


_REPORT = TypeAdapter(FlightReport)


def plain_report(report: FlightReport) -> dict[str, Any]:
    """A report as plain data, as it is kept."""
    found: dict[str, Any] = _REPORT.dump_python(report, mode='json', by_alias=True)
    return found


def read_report(plain: dict[str, Any]) -> FlightReport:
    """A report from what was kept of it."""
    return _REPORT.validate_python(plain)


def flat_event(event: dict[str, Any]) -> dict[str, Any]:
    """An event as plain data, with its final and its hold-off side by side with the rest, for files and tables."""
    return {**{k: v for k, v in event.items() if k not in ('final', 'hold_off')}, **event['final'], **event['hold_off']}


# The order in which tables and files have the members of an event
EVENT_COLUMNS: tuple[str, ...] = (
    *('kind', 'time', 'field', 'runway', 'latitude_deg', 'longitude_deg', 'course_deg_true', 'along_ft'),
    *('from_spot_ft', 'lateral_ft', 'lateral_uncertainty_ft', 'uncertainty_ft', 'groundspeed_kt', 'airspeed_kt'),
    *('sink_fpm', 'crab_deg', 'drift_kt', 'then', 'bounces', 'threshold_height_ft', 'threshold_groundspeed_kt'),
    *('threshold_airspeed_kt', 'roundout_start_ft', 'float_ft', 'float_uncertainty_ft', 'float_s', 'path_angle_deg'),
    *('aim_flown_ft', 'liftoff_roll_ft', 'lowest_ft', 'deceleration_fps2', 'rollout_ft', 'in_gap'),
)
