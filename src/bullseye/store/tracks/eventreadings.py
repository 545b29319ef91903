"""What an event of a flight measured of a landing, each value with how sure it is."""

from __future__ import annotations

import math
from collections.abc import Mapping

from bullseye.core.basis.constants import FPS_PER_KT
from bullseye.core.brief.request import BriefRequest
from bullseye.core.measure.readings import BY_HAND, Measure, Reading
from bullseye.tracks.events import Event

_AIRSPEED_KT = 3.0  # 95 % half-width of an airspeed as recorded [own]
_LEAST_CLOSING = 0.02  # of a path to the runway; flatter, no aim point can be told
# Outside of these a figure makes no sense [own]
_SENSE: Mapping[Measure, tuple[float, float]] = {
    'along_ft': (-3_000, 20_000),
    'lateral_ft': (-200, 200),
    'threshold_speed_kias': (21, 250),
    'float_s': (0, 60),
    'aim_flown_ft': (-3_000, 20_000),
}
NO_DRIFT_KT = 1.0  # under this the aeroplane moved straight down the runway [own]


def readings_of_event(event: Event, request: BriefRequest) -> dict[Measure, Reading]:
    """What a touchdown of a track tells of a lap by itself; what lies outside all sense is left out."""
    found: dict[Measure, Reading] = {}
    add(found, 'along_ft', event.along_ft, event.uncertainty_ft)
    add(found, 'lateral_ft', event.lateral_ft, event.lateral_uncertainty_ft)
    groundspeed, spread_ft = event.groundspeed_kt, event.hold_off.float_uncertainty_ft
    if groundspeed and spread_ft is not None:
        add(found, 'float_s', event.hold_off.float_s, spread_ft / (groundspeed * FPS_PER_KT))
    add(found, 'aim_flown_ft', _eyes_aim_ft(event, request), BY_HAND['aim_flown_ft'])
    add(found, 'threshold_speed_kias', event.final.threshold_airspeed_kt, _AIRSPEED_KT)
    return found


def add(found: dict[Measure, Reading], measure: Measure, value: float | None, half_width: float | None) -> None:
    """Add a value that was measured and makes sense."""
    low, high = _SENSE[measure]
    if value is not None and half_width is not None and low <= value <= high:
        found[measure] = Reading(value=round(value, 1), half_width=round(half_width, 1), how='tracked')


def _eyes_aim_ft(event: Event, request: BriefRequest) -> float | None:
    """The aim point of the eyes for a path of the wheels: farther in by the eye height over the path's angle [ft]."""
    wheels_ft, angle_deg = event.final.aim_flown_ft, event.final.path_angle_deg
    if wheels_ft is None or angle_deg is None:
        return None
    closing = math.tan(math.radians(angle_deg)) + request.runway.slope_pct / 100
    return None if closing < _LEAST_CLOSING else wheels_ft + request.aircraft.eye_height_ft / closing
