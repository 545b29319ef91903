"""The wind of one lap: read on it, told by the turns of its recorded flight, or as it was briefed."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace

from bullseye.core.air.wind import Wind, components
from bullseye.core.basis.kinds import WindBy
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import landing_setup
from bullseye.core.measure.around import WindAloft
from bullseye.core.measure.readings import Reading
from bullseye.core.model.touchdown import REPORT_HEIGHT_FT, share_of_report

# 95 % half-widths of the headwind at the threshold, for a wind that somebody has given [own]
_READ_KT, _BRIEFED_KT = 4.0, 5.0
_WORST_KT = 7.0  # [own] less well known than this, the wind by the turns tells nothing that could be blamed
_TURNS_FT = 1_000.0  # above the runway [com: the usual pattern height]
_PROFILE_SHARE = 0.3  # [own] by which what is left of it near the ground may be off, 95 %: evenings, thermals
_STRONGEST_KT = 60.0  # [own] a stronger wind by the turns is none that anybody flew patterns in
_TURNED_DEG = 15.0  # [own] by which friction may have turned it between pattern height and the ground, 95 %
_GROUNDSPEED_KT = 1.0  # 95 % half-width of a groundspeed as recorded [own]
_GUST_SHARE = 0.25  # [own] of the wind, by which it is another in the moment over the threshold, 95 %


@dataclass(frozen=True, slots=True, kw_only=True)
class LapWind:
    """The wind of a lap as reports count it, at 10 m; ``half_kt`` holds 95 % of what its headwind may be off by."""

    by: WindBy
    wind: Wind
    headwind_kt: float
    half_kt: float
    aloft: WindAloft | None = None  # as measured at pattern height

    @property
    def is_of_this_lap(self) -> bool:
        """Whether the lap itself has told it, and not the brief."""
        return self.by != 'briefed'


def near_ground(aloft: WindAloft, *, roughness_ft: float) -> Wind:
    """The wind at 10 m under one that was measured in the turns of the pattern.

    By the logarithmic profile u(h) ∝ ln(h/z₀) from 1,000 ft down, the direction unchanged: 0.63 over open country.
    Source: the profile [pub: WMO-No. 8]; that it holds so high up [own].
    """
    share = math.log(REPORT_HEIGHT_FT / roughness_ft) / math.log(_TURNS_FT / roughness_ft)
    return Wind(direction_deg_true=aloft.from_deg_true, speed_kt=aloft.speed_kt * share)


def is_usual(aloft: WindAloft) -> bool:
    """Whether a wind by the turns makes any sense."""
    return aloft.speed_kt <= _STRONGEST_KT


def lap_wind(request: BriefRequest, *, read: Wind | None, aloft: WindAloft | None) -> LapWind | None:
    """The wind of a lap; None when nobody knows it, or not from where it blew.

    What was read on the lap counts before all. The wind by the turns counts where none was briefed, or where it is
    another along the runway than the briefed one by more than it may be off. Where the two agree the briefed one
    counts, as well known as the turns confirm it.

    :param read: on this lap, by a person
    :param aloft: by the turns
    """
    aloft = aloft if aloft is not None and is_usual(aloft) else None
    if read is not None and (head_kt := _head_kt(read, request)) is not None:
        return LapWind(by='read', wind=read, headwind_kt=head_kt, half_kt=_READ_KT, aloft=aloft)
    turns = None if aloft is None else _by_turns(aloft, request)
    briefed = request.wind
    briefed_kt = None if briefed is None else _head_kt(briefed, request)
    if briefed is None or briefed_kt is None:
        return turns
    if turns is not None and abs(turns.headwind_kt - briefed_kt) > turns.half_kt:
        return turns
    half_kt = _BRIEFED_KT
    if turns is not None:
        half_kt = min(half_kt, math.hypot(turns.half_kt, turns.headwind_kt - briefed_kt))
    return LapWind(by='briefed', wind=briefed, headwind_kt=briefed_kt, half_kt=half_kt, aloft=aloft)


def _head_kt(wind: Wind, request: BriefRequest) -> float | None:
    return components(wind, course_deg_true=request.runway.course_deg_true).head_kt


def _by_turns(aloft: WindAloft, request: BriefRequest) -> LapWind | None:
    """The wind near the ground that the turns tell; None when it could be almost any."""
    wind = near_ground(aloft, roughness_ft=request.runway.roughness_ft)
    parts = components(wind, course_deg_true=request.runway.course_deg_true)
    if parts.head_kt is None or parts.cross_kt is None:
        return None
    share = wind.speed_kt / aloft.speed_kt if aloft.speed_kt else 1.0
    turned_kt = math.sin(math.radians(_TURNED_DEG)) * parts.cross_kt
    half_kt = math.hypot(share * aloft.half_kt, _PROFILE_SHARE * parts.head_kt, turned_kt)
    if half_kt > _WORST_KT:
        return None
    return LapWind(by='turns', wind=wind, headwind_kt=parts.head_kt, half_kt=half_kt, aloft=aloft)


def speed_by_ground(
    groundspeed_kt: float, request: BriefRequest, wind: LapWind | None, *, height_ft: float | None = None
) -> Reading | None:
    """The indicated airspeed that a groundspeed over the threshold means; None in a wind that nobody knows.

    KIAS = IAS((groundspeed + headwind) √σ), as far off as the wind of the lap and its gusts in that moment make it. The
    headwind is that at the wing: less than reported where the wheels cross the threshold low, by the profile of
    :func:`share_of_report`.

    :param height_ft: of the wheels; None where it was not measured: then the wind is as reported
    """
    if wind is None:
        return None
    setup = landing_setup(request)
    share = 1.0
    if height_ft is not None:
        wing_ft = max(0.0, height_ft) + setup.approach.wing_height_ft
        share = float(share_of_report(wing_ft, request.runway.roughness_ft))
    true_kt = groundspeed_kt + share * wind.headwind_kt
    if true_kt <= 0:
        return None
    gust_kt = max(_GUST_SHARE * wind.wind.speed_kt, request.gust_spread_kt / 2)
    return Reading(
        value=setup.flap.airspeed_table.indicated_kt(true_kt * setup.density_ratio**0.5),
        half_width=math.hypot(wind.half_kt, _GROUNDSPEED_KT, gust_kt),
        how='tracked',
    )


def in_wind(request: BriefRequest, wind: LapWind | None) -> BriefRequest:
    """A request in the wind that its lap was flown in: for what this wind alone makes other, not for speeds to fly."""
    if wind is None or not wind.is_of_this_lap:
        return request
    weather = replace(
        request.weather,
        wind_kt=wind.wind.speed_kt,
        wind_dir_deg_true=wind.wind.direction_deg_true,
        wind_dir_deg_mag=None,
        gust_kt=None,
        wind_range_from_deg_true=None,
        wind_range_to_deg_true=None,
        is_old=False,
    )
    return replace(request, weather=weather)
