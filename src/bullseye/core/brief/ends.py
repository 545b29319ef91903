"""Every runway end of the field, briefed as if the lesson were flown there, and ranked."""

from __future__ import annotations

from dataclasses import replace

from bullseye.core.air.sun import Sun, sun_at
from bullseye.core.brief.aiming import reached
from bullseye.core.brief.asked import takeoff_of
from bullseye.core.brief.basis import basis_of
from bullseye.core.brief.conditions import stops_of_wind
from bullseye.core.brief.goodspots import bounds_ft, reached_by
from bullseye.core.brief.ground import ground_part
from bullseye.core.brief.landing import BriefAnswer
from bullseye.core.brief.margins import (
    moved_margin_ft,
    touch_and_go_margin_ft,
)
from bullseye.core.brief.plan import Plan
from bullseye.core.brief.ranking import Candidate, RankedEnd, rank_ends
from bullseye.core.brief.request import BriefRequest, Weather
from bullseye.core.brief.setup import landing_setup
from bullseye.core.brief.weather import hazard_cautions
from bullseye.core.fly.takeoff import TakeoffAnswer
from bullseye.core.given.airfield import RunwayEnd


def ranking_of(request: BriefRequest, plan: Plan, brief: BriefAnswer | None = None) -> tuple[RankedEnd, ...]:
    """All ends of the field ranked for this wind, aircraft and time; the end of the request alone without a field.

    :param brief: of the request, where its runway is chosen: its margin is the one that the landing itself shows
    """
    airfield = plan.airfield
    sun = None
    if airfield is not None and plan.at is not None:
        sun = sun_at(lat_deg=airfield.latitude_deg, lon_deg=airfield.longitude_deg, at=plan.at)
    wind = request.wind
    # one wind for all ends, whatever variation each prints
    from_deg_true = None if wind is None else wind.direction_deg_true
    weather = replace(request.weather, wind_dir_deg_mag=None, wind_dir_deg_true=from_deg_true)
    return rank_ends(
        [
            _candidate(_at_end(request, end, weather), plan, sun, brief=brief if end == request.runway else None)
            for end in (airfield.ends if airfield else (request.runway,))
        ]
    )


def _at_end(request: BriefRequest, end: RunwayEnd, weather: Weather) -> BriefRequest:
    """The same landing at another end of the field; what the instructor set holds for the end it was set for."""
    if end == request.runway:
        return request
    spot_ft = min(request.spot_ft, end.landing_distance_available_ft / 2)
    return replace(request, runway=end, weather=weather, spot_ft=spot_ft, aim_point_ft=None, overruled=())


def _candidate(there: BriefRequest, plan: Plan, sun: Sun | None, *, brief: BriefAnswer | None) -> Candidate:
    """What is known of an end: of the one that was chosen as it is briefed, of another as it would be."""
    setup = landing_setup(there)
    takeoff = takeoff_of(there, plan, setup)
    if brief is not None and there.asked_aim_ft is None:
        where, ground = reached_by(brief), brief.ground
    else:
        where = reached(there, setup, basis_of(there, setup.approach))
        ground, _ = ground_part(there, setup, where, box_to_ft=where.box_to_ft)
    nearest_ft, farthest_ft = bounds_ft(where, ground)
    has_good_spot, moved_ft = nearest_ft <= farthest_ft, max(0.0, nearest_ft - where.spot_ft)
    if brief is not None:
        ground, moved_ft = brief.ground, 0.0
    must_clear = there.runway.departure_obstacle is not None
    climb_fpm = ground.go_around_climb_fpm
    return Candidate(
        runway=there.runway,
        wind=setup.wind,
        over=stops_of_wind(there, setup),
        takeoff_margin_ft=takeoff.over_50_margin_ft,
        landing_margin_ft=moved_margin_ft(ground.landing_margin, moved_ft),
        sun=sun,
        weather_stops=tuple(one.words for one in hazard_cautions(there) if one.severity == 'stop'),
        clears_obstacle=takeoff.clears_obstacle if must_clear else True,
        climbs_away=(None if must_clear else True) if climb_fpm is None else climb_fpm > 0,
        has_good_spot=has_good_spot,
    )


def touch_and_go_ft(request: BriefRequest, brief: BriefAnswer, takeoff: TakeoffAnswer) -> float | None:
    """Runway left at 50 ft after a touch-and-go from the landing as briefed [ft]; None is unknown."""
    setup = landing_setup(request)
    if setup.wind is None:
        return None
    return touch_and_go_margin_ft(
        brief.touchdown,
        available_ft=request.runway.landing_distance_available_ft,
        touchdown_ground_kt=setup.approach.touchdown_ktas - setup.wind.sure_headwind_kt,
        takeoff_over_50_ft=takeoff.over_50_ft_ft,
    )
