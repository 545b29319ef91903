"""Wind that swings, and weather beside the wind: what it forbids, and what it does to every limit."""

import math
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from bullseye.core.air.wind import Wind, components
from bullseye.core.brief.asked import takeoff_of
from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.plan import Plan
from bullseye.core.brief.setup import landing_setup
from bullseye.core.brief.whole import make_parts
from bullseye.core.model.touchdown import predict
from tests.core.making import briefed, make_request


@given(
    st.integers(1, 360),
    st.integers(1, 360),
    st.integers(0, 170),
    st.floats(3, 30),
    st.floats(0, 20),
)
def test_limits_hold_in_every_direction_of_a_swinging_wind(course, start, width, speed_kt, spread_kt):
    mean = (start + width / 2) % 360
    wind = Wind(
        direction_deg_true=mean,
        speed_kt=speed_kt,
        gust_kt=speed_kt + spread_kt,
        range_from_deg_true=start,
        range_to_deg_true=(start + width) % 360,
    )
    found = components(wind, course_deg_true=course)
    # every degree of the range, by itself
    each = [math.radians(start + one - course) for one in range(width + 1)]
    tail = max(0.0, *(-(speed_kt + spread_kt) * math.cos(off) for off in each))
    cross = max((speed_kt + spread_kt) * abs(math.sin(off)) for off in each)
    near = 0.004 * (speed_kt + spread_kt)  # five degrees apart
    assert tail - near <= found.worst_tailwind_kt <= tail + 1e-9
    assert cross - near <= found.worst_crosswind_kt <= cross + 1e-9
    assert found.sure_headwind_kt <= found.head_kt + 1e-9


def _stops(brief):
    return [str(one) for one in brief.cautions if one.severity == 'stop']


def test_a_range_that_reaches_behind_lengthens_roll_and_takeoff():
    mild = {'wind_kt': 8, 'wind_dir_deg_mag': 110.0}
    swinging = {**mild, 'wind_range_from_deg_true': 50.0, 'wind_range_to_deg_true': 190.0}
    steady, worst = briefed(weather=mild), briefed(weather=swinging)
    assert worst.ground.ground_roll.expected_ft > steady.ground.ground_roll.expected_ft
    request = make_request(weather=swinging)
    # numerical integration over the directions that may be met, each as likely: the aim is for all of them
    here = landing_setup(request).approach
    offs = np.radians(np.linspace(50.0, 190.0, 281) - request.runway.course_deg_true)
    met_ft = np.mean([predict(replace(here, headwind_kt=8 * math.cos(off))).touchdown_ft for off in offs])
    assert worst.aim.aim_point_ft == pytest.approx(worst.aim.target_ft - met_ft, abs=3)
    assert worst.aim.aim_point_ft < steady.aim.aim_point_ft - 20
    # [exact trigonometry] the worst of both sides stands beside the mean direction's own
    assert worst.wind.worst_crosswind_kt == pytest.approx(8.0, abs=0.05)
    assert worst.wind.least_headwind_kt == pytest.approx(8 * math.cos(math.radians(152)), abs=0.01)
    assert worst.wind.crosswind_kt == pytest.approx(steady.wind.crosswind_kt)
    assert any('swings: up to 8 kt across from the right' in str(one) for one in worst.cautions)
    assert not any('swings' in str(one) for one in steady.cautions)
    calmer = make_request(weather=mild)
    worst_takeoff, takeoff = (takeoff_of(one, Plan(), landing_setup(one)) for one in (request, calmer))
    assert worst_takeoff.over_50_ft_ft > takeoff.over_50_ft_ft


@pytest.mark.parametrize(
    ('changes', 'words'),
    [
        ({'weather': {'hazards': ('thunderstorm',)}}, 'do not fly the pattern'),
        ({'weather': {'hazards': ('fog',)}}, 'do not take off'),
        ({'weather': {'hazards': ('freezing',)}}, 'ice on the wings'),
        ({'weather': {'hazards': ('windshear',)}}, 'Windshear is reported'),
        ({'weather': {'ceiling_ft': 1_400}}, 'Cloud at 1,400 ft; the minimum of the school is 1,500 ft.'),
        ({'weather': {'visibility_m': 4_800}}, 'Visibility 4.8 km; the minimum of the school is 5.0 km.'),
        ({'weather': {'ceiling_ft': 1_900}, 'least_ceiling_ft': 2_000.0}, 'the minimum of the school is 2,000 ft.'),
        ({'surface_state': 'snow_or_ice'}, 'Snow or ice on the runway'),
    ],
)
def test_weather_that_forbids_flying_is_said_first_and_plans_no_lap(changes, words):
    request = make_request(**changes)
    brief = make_brief(request)
    assert any(words in said for said in _stops(brief))
    parts = make_parts(request, Plan(), brief)
    assert any(words in said for said in map(str, parts.takeoff.cautions))
    assert not [lap for lap in parts.lap_plan.laps if lap.spot_ft is not None]
    assert words in str(parts.lap_plan.words)


def test_weather_within_the_minima_says_nothing_and_a_trend_is_minded():
    assert _stops(briefed(weather={'ceiling_ft': 1_500, 'visibility_m': 5_000})) == []
    later = briefed(weather={'later': ('strong_wind', 'thunderstorm')})
    assert _stops(later) == []
    assert any(
        'expects strong or gusty wind and thunderstorms' in str(one) for one in later.cautions if one.severity == 'mind'
    )
    wet = briefed(surface_state='wet')
    assert any('The runway is wet' in str(one) for one in map(str, wet.cautions))
