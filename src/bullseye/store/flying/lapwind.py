"""The wind of a kept lap, and the airspeed that it makes of a groundspeed."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

from pydantic import TypeAdapter

from bullseye.core.air.wind import Wind
from bullseye.core.brief.lapwind import LapWind, lap_wind, speed_by_ground
from bullseye.core.brief.request import BriefRequest
from bullseye.core.measure.around import WindAloft
from bullseye.core.measure.readings import Reading
from bullseye.store.rows.flying import Lap

_ALOFT = TypeAdapter(WindAloft)
_SLOWEST_KIAS, _FASTEST_KIAS = 21, 250  # [own] outside makes no sense over a threshold


def wind_of(lap: Lap, request: BriefRequest) -> LapWind | None:
    """The wind of a lap: read on it, told by the turns of its recorded flight, or briefed; None of an unknown one."""
    read = None
    if lap.wind_kt is not None:
        read = Wind(direction_deg_true=lap.wind_dir_deg_true, speed_kt=lap.wind_kt, gust_kt=lap.gust_kt)
    kept: Any = (lap.around or {}).get('wind')
    return lap_wind(request, read=read, aloft=None if kept is None else _ALOFT.validate_python(kept))


def wind_said(lap: Lap, request: BriefRequest) -> Wind | None:
    """The wind of a lap as its record names it, a variable one too; None where nobody knows it."""
    known = wind_of(lap, request)
    if known is not None:
        return known.wind
    if lap.wind_kt is not None:
        return Wind(direction_deg_true=lap.wind_dir_deg_true, speed_kt=lap.wind_kt, gust_kt=lap.gust_kt)
    return request.wind


def airspeed_of(lap: Lap, request: BriefRequest) -> Reading | None:
    """The airspeed over the threshold by a recorded groundspeed; None where an airspeed was recorded, or neither."""
    around: Any = lap.around or {}
    if around.get('threshold_groundspeed_kt') is None:
        return None
    speed = speed_by_ground(
        around['threshold_groundspeed_kt'],
        request,
        wind_of(lap, request),
        height_ft=around.get('threshold_height_ft'),
    )
    if speed is None or speed.half_width is None or not _SLOWEST_KIAS <= speed.value <= _FASTEST_KIAS:
        return None
    return replace(speed, value=round(speed.value, 1), half_width=round(speed.half_width, 1))
