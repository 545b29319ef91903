"""The wind of a lap: which of three counts, how sure it is, and what it makes of a groundspeed."""

import math
from dataclasses import replace

import pytest

from bullseye.core.air.wind import Wind, components
from bullseye.core.brief.lapwind import lap_wind, near_ground, speed_by_ground
from bullseye.core.brief.setup import landing_setup
from bullseye.core.fly.legs import wind_at_pattern_height
from bullseye.core.measure.around import WindAloft
from bullseye.core.measure.readings import WORST, best
from tests.core import scene as one_day

COUNTS_KT = WORST['threshold_speed_kias']


def aloft(off_deg: float, speed_kt: float, half_kt: float = 4.1) -> WindAloft:
    """A wind by the turns, by where it comes from against the runway: 0 from ahead, 90 from the right."""
    return WindAloft(from_deg_true=(one_day.COURSE_DEG_TRUE + off_deg) % 360, speed_kt=speed_kt, half_kt=half_kt)


def told(request, *, read=None, by_turns=None):
    return lap_wind(request, read=read, aloft=by_turns)


@pytest.mark.parametrize(
    ('roughness_m', 'share'),
    # the logarithmic law of WMO-No. 8 by hand, ln(10/z0) / ln(304.8/z0): water, open, trees
    [(0.0002, 0.7600), (0.03, 0.6297), (0.5, 0.4671)],
)
def test_under_a_wind_aloft_less_is_left_the_rougher_the_ground(roughness_m, share):
    found = near_ground(aloft(-50, 14.0), roughness_ft=roughness_m / 0.3048)
    assert found.speed_kt == pytest.approx(14.0 * share, abs=0.002 * 14)
    assert found.direction_deg_true == pytest.approx(one_day.COURSE_DEG_TRUE - 50)


def test_a_pattern_flown_in_the_very_wind_that_was_expected_up_there_changes_nothing():
    request = one_day.scene()
    direction, speed = wind_at_pattern_height(
        direction_deg_true=one_day.WIND_FROM_DEG_TRUE, speed_kt=one_day.WIND_KT, is_northern=True
    )
    found = told(request, by_turns=WindAloft(from_deg_true=direction, speed_kt=speed, half_kt=4.1))
    assert found.by == 'briefed'
    assert found.headwind_kt == components(request.wind, course_deg_true=request.runway.course_deg_true).head_kt
    assert found.half_kt < told(request).half_kt == 5.0  # and the turns confirm it


@pytest.mark.parametrize(
    ('off_deg', 'speed_kt', 'by'),
    [
        (-5, 33.0, 'turns'),  # 19 kt from ahead near the ground; 9 were briefed
        (178, 9.0, 'turns'),  # the wind has gone round
        (-95, 16.0, 'turns'),  # across only
        (-20, 13.0, 'briefed'),
        (25, 20.0, 'briefed'),
    ],
)
def test_the_turns_count_where_they_are_surely_another_wind(off_deg, speed_kt, by):
    request, turns = one_day.scene(), aloft(off_deg, speed_kt)
    found = told(request, by_turns=turns)
    assert found.by == by
    assert found.is_of_this_lap == (by == 'turns')
    if by == 'turns':
        share = near_ground(turns, roughness_ft=request.runway.roughness_ft).speed_kt / speed_kt
        assert found.headwind_kt == pytest.approx(share * speed_kt * math.cos(math.radians(off_deg)))
        assert abs(found.headwind_kt - told(request).headwind_kt) > found.half_kt
    # what a person read on the lap counts before both; of no known direction it tells nothing along the runway
    read = Wind(direction_deg_true=one_day.COURSE_DEG_TRUE + 60, speed_kt=8.0)
    assert told(request, read=read, by_turns=turns).headwind_kt == pytest.approx(4.0)
    assert told(request, read=read, by_turns=turns).by == 'read'
    assert told(request, read=Wind(direction_deg_true=None, speed_kt=8.0), by_turns=turns).by == by


def test_of_a_wind_that_nobody_gave_the_turns_tell_and_unsure_turns_do_not():
    never = one_day.scene()
    never = replace(
        never, weather=replace(never.weather, wind_kt=None, wind_dir_deg_true=None, wind_dir_deg_mag=None, gust_kt=None)
    )
    variable = one_day.scene(weather={'wind_dir_deg_mag': None, 'gust_kt': None})
    for request in (never, variable):
        assert told(request) is None
        assert speed_by_ground(58.0, request, None) is None
        assert told(request, by_turns=aloft(-30, 9.0)).by == 'turns'
        assert told(request, by_turns=aloft(-30, 9.0, half_kt=13.0)) is None
        assert told(request, by_turns=aloft(0, 45.0)) is None  # too strong to know what is left of it
        assert told(request, by_turns=aloft(-90, 220.0)) is None
    strong = told(one_day.scene(), by_turns=aloft(-90, 220.0))
    assert (strong.by, strong.half_kt, strong.aloft) == ('briefed', 5.0, None)


def test_an_airspeed_by_groundspeed_is_as_sure_as_the_wind_and_counts_in_light_winds_only():
    light = one_day.scene(weather={'wind_kt': 3.0, 'gust_kt': None})
    setup = landing_setup(light)
    breeze = told(light, by_turns=aloft(-170, 4.0))
    speed = speed_by_ground(66.0, light, breeze)
    true_kt = 66.0 + breeze.headwind_kt
    calibrated_kt = setup.flap.airspeed_table.calibrated_kt(speed.value)
    assert calibrated_kt == pytest.approx(true_kt * math.sqrt(setup.density_ratio))
    assert breeze.half_kt < speed.half_width <= COUNTS_KT
    assert best('threshold_speed_kias', {'tracked': speed}) is speed
    # the same where the wind is only the briefed one, and in a wind of which more may be missing
    for request, turns in ((light, None), (one_day.scene(), aloft(-30, 21.0))):
        unsure = speed_by_ground(66.0, request, told(request, by_turns=turns))
        assert unsure.half_width > COUNTS_KT
        assert best('threshold_speed_kias', {'tracked': unsure}) is None
    assert speed_by_ground(-breeze.headwind_kt, light, breeze) is None


def test_wheels_low_over_the_threshold_are_in_less_wind_than_was_reported():
    request = one_day.scene()
    setup, wind = landing_setup(request), told(request)
    as_reported = speed_by_ground(52.0, request, wind).value
    assert speed_by_ground(52.0, request, wind, height_ft=55.0).value == as_reported
    low = speed_by_ground(52.0, request, wind, height_ft=9.0).value
    calibrated_kt = setup.flap.airspeed_table.calibrated_kt
    height_m = (9.0 + setup.approach.wing_height_ft) * 0.3048
    less_kt = wind.headwind_kt * (1 - math.log(height_m / 0.1) / math.log(10 / 0.1))  # hedges: z0 is 0.1 m
    fewer_kt = calibrated_kt(as_reported) - calibrated_kt(low)
    assert fewer_kt == pytest.approx(less_kt * math.sqrt(setup.density_ratio), rel=1e-6)
    assert less_kt > 1
