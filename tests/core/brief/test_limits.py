"""Each limit that an instructor insists on: at its value, one step inside and one outside.

Values: common practice, no source, unless a test says otherwise; those of our own are marked so in docs/model.md.
"""

import math
from dataclasses import replace
from typing import Any

import pytest

from bullseye.core.basis.constants import CLIMB_LOST_FPM_PER_FT
from bullseye.core.basis.sentence import Caution
from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.rollout import RolloutPart
from bullseye.core.given.airfield import DepartureObstacle, Obstacle
from bullseye.core.given.technique import Technique
from bullseye.core.model.rollout import rollout
from bullseye.core.model.speeds import approach_speed
from bullseye.demo.fleet import AIRCRAFT
from tests.core.making import make_request

COURSE_DEG_MAG = 50.4


def asked(**changes: Any) -> BriefRequest:
    """A long runway not at sea level, so that nothing but the limit under test is near."""
    usual = {
        'spot_ft': 1_100,
        'weight_lb': 2_160,
        'runway': {'length_ft': 6_400, 'surface': 'asphalt', 'elevation_ft': 310},
        'weather': {'wind_kt': 0, 'wind_dir_deg_mag': COURSE_DEG_MAG, 'temperature_c': 11},
    }
    weather = usual.pop('weather') | changes.pop('weather', {})
    runway = usual.pop('runway') | changes.pop('runway', {})
    return make_request(**(usual | changes), weather=weather, runway=runway)


def told(request: BriefRequest, words: str) -> set[str]:
    """How grave the cautions are that hold some words; nothing: none holds them."""
    found: list[Caution] = [one for one in make_brief(request).cautions if words in str(one)]
    return {one.severity for one in found}


def blowing(off_deg: float, kt: float, **more: Any) -> dict[str, Any]:
    return {'wind_kt': kt, 'wind_dir_deg_mag': (COURSE_DEG_MAG + off_deg) % 360, **more}


@pytest.mark.parametrize(
    ('tail_kt', 'expected'),
    [(4.9, {'know'}), (5.0, {'mind'}), (5.1, {'mind'}), (9.9, {'mind'}), (10.0, {'mind'}), (10.1, {'stop'})],
)
@pytest.mark.parametrize('in_gusts', [False, True])
def test_tailwind(tail_kt, expected, in_gusts):
    # a caution from 5, the limit 10, gusts included [com]
    wind = blowing(180.0, tail_kt - 2 if in_gusts else tail_kt, **({'gust_kt': tail_kt} if in_gusts else {}))
    request = asked(weather=wind)
    assert told(request, ', gusts included') == expected
    assert make_brief(request).aim.aim_is_good == (expected != {'stop'})


@pytest.mark.parametrize('side', [90.0, -90.0])
@pytest.mark.parametrize(('cross_kt', 'is_over'), [(8.9, False), (9.0, False), (9.1, True)])
@pytest.mark.parametrize('alone', [False, True])
@pytest.mark.parametrize('whose', ['school', 'student'])
def test_crosswind_of_school_and_student(side, cross_kt, is_over, whose, alone):
    request = asked(weather=blowing(side, cross_kt), alone=alone, **{f'{whose}_crosswind_limit_kt': 9.0})
    assert told(request, f'{whose} limit of 9') == ({'stop' if alone else 'know'} if is_over else set())
    (limit,) = [one for one in make_brief(request).wind.crosswind_limits if one.name == whose]
    assert limit.within is not is_over
    assert limit.binds is alone
    # with an instructor aboard it is told, and still flown by
    assert make_brief(request).aim.aim_is_good is not (alone and is_over)


@pytest.mark.parametrize(('cross_kt', 'is_over'), [(5.0, False), (5.1, True)])
def test_crosswind_and_wind_of_a_solo_sign_off(cross_kt, is_over):
    signed = {'signed_crosswind_kt': 5.0, 'signed_wind_kt': 12.0, 'signed_state': 'holds'}
    request = asked(weather=blowing(-90.0, cross_kt), alone=True, **signed)
    assert told(request, 'signed limit of 5') == ({'stop'} if is_over else set())
    for gust_kt, over in ((12.0, False), (12.1, True)):
        gusty = asked(weather=blowing(5.0, 9.0, gust_kt=gust_kt), alone=True, **signed)
        assert told(gusty, 'that the solo sign-off allows') == ({'stop'} if over else set())
        assert make_brief(gusty).aim.aim_is_good is not over
    assert told(asked(weather=blowing(5.0, 9.0, gust_kt=20.0), **signed), 'sign-off') == set()


@pytest.mark.parametrize(
    ('state', 'own_kt', 'school_kt', 'stops'),
    [
        ('holds', 6.0, None, False),
        ('none', 6.0, 8.0, False),
        ('expired', 6.0, 8.0, True),
        ('elsewhere', 6.0, 8.0, True),
        ('holds', None, 8.0, False),
        ('holds', None, None, True),
    ],
)
def test_what_a_student_alone_has_no_leave_for(state, own_kt, school_kt, stops):
    request = asked(
        weather=blowing(10.0, 6.0),
        alone=True,
        signed_state=state,
        student_crosswind_limit_kt=own_kt,
        school_crosswind_limit_kt=school_kt,
    )
    assert any(one.severity == 'stop' for one in make_brief(request).cautions) is stops
    assert make_brief(request).aim.aim_is_good is not stops
    assert make_brief(replace(request, alone=False)).aim.aim_is_good


@pytest.mark.parametrize(('cross_kt', 'is_over'), [(14.9, False), (15.0, False), (15.1, True)])
def test_crosswind_of_the_aircraft(cross_kt, is_over):
    request = asked(weather=blowing(-90.0, cross_kt))
    assert told(request, 'aircraft limit of 15') == ({'stop'} if is_over else set())
    assert make_brief(request).aim.aim_is_good is not is_over


@pytest.mark.parametrize(('spread_kt', 'is_over'), [(14.9, False), (15.0, False), (15.1, True)])
def test_gust_spread(spread_kt, is_over):
    request = asked(weather=blowing(0.0, 7.0, gust_kt=7.0 + spread_kt))  # 15 kt [own]
    assert told(request, 'above the steady wind') == ({'stop'} if is_over else set())


@pytest.mark.parametrize(('gust_kt', 'is_over'), [(24.9, False), (25.0, False), (25.1, True)])
def test_total_wind_of_students_alone(gust_kt, is_over):
    request = asked(weather=blowing(10.0, 17.0, gust_kt=gust_kt))  # 25 kt [own]
    assert told(request, 'too much for a student alone') == ({'know'} if is_over else set())
    alone = replace(request, alone=True, student_crosswind_limit_kt=20.0)
    assert told(alone, 'too much for a student alone') == ({'stop'} if is_over else set())


@pytest.mark.parametrize(('spread_kt', 'added_kt'), [(13.0, 6.5), (19.9, 9.95), (20.0, 10.0), (26.0, 10.0)])
def test_gust_allowance_is_half_the_spread_and_at_most_ten(spread_kt, added_kt):
    # half the gust spread [pub: FAA-H-8083-3, value from memory], at most 10 kt [com]
    calm, gusty = (make_brief(asked(weather=blowing(0.0, 6.0, gust_kt=one))) for one in (None, 6.0 + spread_kt))
    assert gusty.speed.approach_speed_kias - calm.speed.approach_speed_kias == pytest.approx(added_kt, abs=0.01)


@pytest.mark.parametrize(('below_kt', 'expected'), [(5.1, set()), (5.0, set()), (4.9, {'mind'}), (-0.1, {'stop'})])
def test_flap_limit_speed_is_kept_by_five_knots(below_kt, expected):
    request = asked()
    flap = request.flap_setting
    at_kias = make_brief(request).speed.approach_speed_kias
    flaps = tuple(replace(one, limit_kias=at_kias + below_kt) if one is flap else one for one in request.aircraft.flaps)
    limited = replace(request, aircraft=replace(request.aircraft, flaps=flaps), approach_speed_kias=at_kias)
    assert told(limited, 'of the flap limit') == expected


@pytest.mark.parametrize(('off_ft', 'expected'), [(1.0, set()), (0.0, set()), (-1.0, {'stop'})])
def test_ceiling_of_the_school(off_ft, expected):
    request = asked(weather={'ceiling_ft': 1_000 + off_ft}, least_ceiling_ft=1_000)
    assert told(request, 'the minimum of the school') == expected
    assert make_brief(request).aim.aim_is_good is not bool(expected)


@pytest.mark.parametrize(('off_m', 'expected'), [(50.0, set()), (0.0, set()), (-50.0, {'stop'})])
def test_visibility_of_the_school(off_m, expected):
    request = asked(weather={'visibility_m': 5_000 + off_m}, least_visibility_m=5_000)
    assert told(request, 'the minimum of the school') == expected


def _wheels_at(wheels_ft: float) -> BriefRequest:
    """An aim point on whose path the wheels pass so high over the threshold."""
    request = asked()
    brief = make_brief(replace(request, aim_point_ft=300.0))
    per_ft = (make_brief(replace(request, aim_point_ft=400.0)).aim.wheels_over_pavement_ft) - (
        brief.aim.wheels_over_pavement_ft
    )
    aim_ft = 300.0 + 100 * (wheels_ft - brief.aim.wheels_over_pavement_ft) / per_ft
    return replace(request, aim_point_ft=aim_ft)


@pytest.mark.parametrize(
    ('wheels_ft', 'is_good', 'is_minded'),
    [(2.9, False, False), (3.1, True, True), (9.9, True, True), (10.1, True, False)],
)
def test_wheels_over_the_start_of_the_pavement(wheels_ft, is_good, is_minded):
    # never below 3 ft, a caution below 10 [own]; the spot lies beyond what such an aim reaches: told, and still good
    brief = make_brief(_wheels_at(wheels_ft))
    assert brief.aim.wheels_over_pavement_ft == pytest.approx(wheels_ft, abs=0.02)
    assert any('the wheels pass' in str(one) for one in brief.aim.aim_problems) is not is_good
    assert any('not a foot lower' in str(one) for one in brief.cautions) is is_minded


@pytest.mark.parametrize(('climb_fpm', 'expected'), [(201.0, set()), (200.0, set()), (199.0, {'mind'})])
def test_a_weak_climb_is_minded(climb_fpm, expected):
    request = asked(weather={'temperature_c': 14.4})
    aircraft = replace(request.aircraft, landing_climb_table=(), landing_climb_at_ft=25_000.0)
    here = replace(request, aircraft=replace(aircraft, landing_climb_fpm=climb_fpm))
    assert told(here, 'climbs at only') == expected


@pytest.mark.parametrize(('climb_fpm', 'is_good'), [(1.0, True), (0.0, False), (-1.0, False)])
def test_where_nothing_is_left_of_the_climb_nothing_is_good(climb_fpm, is_good):
    request = asked(weather={'temperature_c': 27.0})
    altitude_ft = make_brief(request).wind.density_altitude_ft
    printed_fpm = (
        climb_fpm + CLIMB_LOST_FPM_PER_FT * altitude_ft
    )  # at sea level, of which 50 fpm are lost each 1,000 ft
    aircraft = replace(request.aircraft, landing_climb_table=(), landing_climb_at_ft=0.0, landing_climb_fpm=printed_fpm)
    brief = make_brief(replace(request, aircraft=aircraft))
    assert brief.ground.go_around_climb_fpm == climb_fpm
    assert brief.aim.aim_is_good is is_good
    assert any('does not climb' in str(one) for one in brief.aim.aim_problems) is not is_good


def test_the_last_place_to_climb_away_from_as_reckoned_by_hand():
    # 400 fpm at 65 kt over the ground (the approach speed here, 8 kt of wind from behind): a gradient of 0.0608;
    # 60 + 30 ft are 1,481 ft of way, and 5 s before it 549 ft [own]; 700 ft beyond the end of 3,900
    request = asked(weather=blowing(180.0, 4.0), runway={'length_ft': 3_900})
    aircraft = replace(request.aircraft, landing_climb_table=(), landing_climb_at_ft=25_000.0, landing_climb_fpm=400.0)
    obstacle = DepartureObstacle(height_ft=60.0, beyond_end_ft=700.0)
    runway = replace(request.runway, departure_obstacle=obstacle)
    brief = make_brief(replace(request, aircraft=aircraft, runway=runway))
    fps = (brief.speed.approach_speed_ktas + 4.0) * 6_076.115 / 3_600  # exact units [pub: ICAO Annex 5]
    by_hand_ft = 3_900 + 700 - 5 * fps - (60 + 30) * fps / (400 / 60)
    assert brief.ground.climb_point_ft == pytest.approx(by_hand_ft, abs=0.5)


def _displaced(surface: str) -> BriefRequest:
    request = asked(runway={'surface': surface})
    return replace(request, runway=replace(request.runway, displaced_threshold_ft=240.0))


def test_paved_runway_before_the_threshold_counts_and_grass_does_not():
    paved, grass = (make_brief(replace(_displaced(one), aim_point_ft=250.0)) for one in ('asphalt', 'grass'))
    path = math.tan(math.radians(grass.speed.path_angle_deg)) + 0.0  # the runway is level
    assert paved.aim.wheels_over_pavement_ft - grass.aim.wheels_over_pavement_ft == pytest.approx(240 * path, abs=0.1)


def test_without_brakes_grass_stops_shorter_than_pavement():
    # the same roll with brakes; what rolls on without is held by the grass: rolling friction [own]
    paved, grass = (rollout_of(one) for one in ('asphalt', 'grass'))
    alone = {
        is_grass: rollout(roll_ft=1_000.0, touchdown_ktas=52.0, headwind_kt=0.0, slope=0.0, is_grass=is_grass)
        for is_grass in (True, False)
    }
    assert alone[True].no_brakes_ft < alone[False].no_brakes_ft - 300
    assert paved.no_brakes_change_ft is not None
    assert grass.no_brakes_change_ft is not None
    assert grass.no_brakes_change_ft < paved.no_brakes_change_ft - 300


def rollout_of(surface: str) -> RolloutPart:
    """What a brief tells of the roll-out."""
    return make_brief(asked(runway={'surface': surface})).rollout


@pytest.mark.parametrize('slope_pct', [2.0, -2.0])
def test_obstacle_margin_over_a_sloping_runway_as_reckoned_by_hand(slope_pct):
    # the path ends where the runway is, which over a slope lies higher or lower than the threshold: at 900 ft of aim
    # and 2 % by 18 ft; eyes 600 ft before the threshold, the obstacle as high as leaves 30 ft or one less [own]
    request = asked(runway={'slope_pct': slope_pct})
    brief = make_brief(replace(request, aim_point_ft=900.0))
    path = math.tan(math.radians(brief.speed.path_angle_deg))
    top_ft = (900 + 600) * path + 900 * slope_pct / 100 - request.aircraft.eye_height_ft - 30
    for height_ft, is_clear in ((top_ft - 0.5, True), (top_ft + 0.5, False)):
        obstacle = Obstacle(height_ft=height_ft, before_threshold_ft=600.0)
        there = replace(request, aim_point_ft=900.0, runway=replace(request.runway, obstacle=obstacle))
        said = [str(one) for one in make_brief(there).aim.aim_problems if 'obstacle' in str(one)]
        assert bool(said) is not is_clear
    # the one steady angle that would clear it, eyes over its top and 30 ft, from the sloping place
    up_ft = top_ft + 0.5 + 30 + request.aircraft.eye_height_ft - 900 * slope_pct / 100
    assert f'{math.degrees(math.atan2(up_ft, 1_500)):.1f}°' in said[0]


def test_where_nothing_is_painted_no_stripe_is_spoken_of():
    paved, grass = (make_brief(asked(runway={'surface': one})) for one in ('asphalt', 'grass'))
    for words in (paved.aim.roundout_cue.words, paved.aim.aim_before_spot_words):
        assert 'stripe' in str(words)
    for words in (grass.aim.roundout_cue.words, grass.aim.aim_before_spot_words):
        assert 'stripe' not in str(words)
        assert 'ft' in str(words)


@pytest.mark.parametrize(('room_kt', 'added_kt'), [(13.1, 8.0), (13.0, 8.0), (12.0, 7.0), (5.0, 0.0), (3.0, 0.0)])
@pytest.mark.parametrize('kind', ['normal', 'wheel_landing'])
def test_what_is_flown_faster_keeps_five_knots_from_the_flap_limit(kind, room_kt, added_kt):
    # half of 16 kt of gust spread, and the ten knots of a wheel landing: each only as far as 5 kt below the limit [com]
    aircraft = AIRCRAFT['Bramble 90T' if kind == 'wheel_landing' else 'Marram 160']
    flap = aircraft.flaps[-1]

    def steps(spread_kt: float, limit_kias: float | None) -> dict[str, float]:
        found = approach_speed(
            aircraft=aircraft,
            flap=replace(flap, limit_kias=limit_kias),
            kind=kind,
            weight_lb=0.93 * aircraft.max_weight_lb,
            gust_spread_kt=spread_kt,
            technique=Technique(),
        )
        return {one.step: one.speed_kias for one in found.steps} | {
            f'by {one.step}': one.change_kt for one in found.steps
        }

    spread_kt = 0.0 if kind == 'wheel_landing' else 16.0
    limit_kias = steps(spread_kt, None)['weight'] + room_kt
    expected_kt = max(0.0, min(10.0, room_kt - 5.0)) if kind == 'wheel_landing' else added_kt
    step = 'by wheels' if kind == 'wheel_landing' else 'by gust'
    assert steps(spread_kt, limit_kias)[step] == pytest.approx(expected_kt, abs=0.01)


@pytest.mark.parametrize(('off_deg', 'kt', 'factor'), [(180.0, 4.0, 1.2), (180.0, 9.0, 1.45), (0.0, 9.0, 0.9)])
def test_wind_changes_the_way_through_the_air_as_well_as_the_roll(off_deg, kt, factor):
    # +10 % for each 2 kt of tailwind, -10 % for 9 kt of headwind, of the whole landing distance from 50 ft [com]
    calm, windy = (make_brief(asked(weather=wind)).ground.ground_roll.by_set[0] for wind in ({}, blowing(off_deg, kt)))
    assert windy.ground_roll_ft == pytest.approx(calm.ground_roll_ft * factor, rel=1e-6)
    assert windy.over_50_ft_ft == pytest.approx(calm.over_50_ft_ft * factor, rel=1e-6)
