"""What an analysis finds: events, laps, winds; unknown is None."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

EventKind = Literal['takeoff', 'touchdown', 'go_around', 'low_approach']
Then = Literal['full_stop', 'touch_and_go', 'stop_and_go']


@dataclass(frozen=True, slots=True, kw_only=True)
class Event:
    """One takeoff, touchdown, go-around or low approach; feet from the landing threshold, in its direction.

    ``uncertainty_ft`` is a 95 % half-width of ``along_ft``, the others with ``uncertainty`` in their names likewise.
    """

    kind: EventKind
    time_s: float  # since 1970 UTC
    field: str | None  # None: on no known runway
    runway: str | None
    latitude_deg: float
    longitude_deg: float
    course_deg_true: float | None = None
    along_ft: float | None = None
    from_spot_ft: float | None = None
    lateral_ft: float | None = None
    lateral_uncertainty_ft: float | None = None
    uncertainty_ft: float | None = None
    groundspeed_kt: float | None = None
    airspeed_kt: float | None = None
    sink_fpm: float | None = None
    crab_deg: float | None = None
    drift_kt: float | None = None
    then: Then | None = None
    bounces: int | None = None
    threshold_height_ft: float | None = None
    threshold_groundspeed_kt: float | None = None
    threshold_airspeed_kt: float | None = None
    roundout_start_ft: float | None = None
    float_ft: float | None = None
    float_uncertainty_ft: float | None = None
    float_s: float | None = None
    path_angle_deg: float | None = None
    aim_flown_ft: float | None = None
    liftoff_roll_ft: float | None = None
    lowest_ft: float | None = None  # of a go-around or low approach, over the runway's pavement
    deceleration_fps2: float | None = None  # in the hold-off, as fitted
    rollout_ft: float | None = None  # from touchdown to taxiing speed, or to power
    in_gap: bool = False  # the recorder was silent there: the place is the middle of what is possible


@dataclass(frozen=True, slots=True, kw_only=True)
class Gate:
    """The aeroplane at one height on final, or at the threshold."""

    height_ft: float
    along_ft: float
    lateral_ft: float
    groundspeed_kt: float
    above_path_ft: float  # against the runway's path to the aim that was flown


@dataclass(frozen=True, slots=True, kw_only=True)
class Turn:
    """One turn of the pattern; the bank is what the ground track would need in still air."""

    name: str
    from_s: float
    to_s: float
    most_bank_deg: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Lap:
    """From one leaving of the runway to the next landing or going around."""

    number: int
    from_s: float
    to_s: float
    field: str | None
    runway: str | None
    end: int  # index of the event that ends it
    takeoff: int | None  # index of the event that began it
    side: Literal['left', 'right', 'straight_in'] | None
    pattern_height_error_ft: float | None  # downwind, against the pattern altitude
    spacing_ft: float | None  # of the downwind from the runway
    overshoot_ft: float | None  # across the extended centreline before final
    first_turn_height_ft: float | None
    climb_groundspeed_kt: float | None
    turns: tuple[Turn, ...]
    gates: tuple[Gate, ...]
    stabilised: bool | None
    path_error_ft: float | None  # greatest, from 300 ft down
