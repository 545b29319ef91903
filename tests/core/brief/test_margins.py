"""What a landing leaves of the runway, what is called good of it, and what a go-around still climbs."""

import dataclasses
import math

import pytest

from bullseye.core.basis.constants import LANDING_FACTOR
from bullseye.core.brief.asked import takeoff_of
from bullseye.core.brief.ends import ranking_of
from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.plan import Plan
from bullseye.core.brief.setup import landing_setup
from bullseye.core.brief.whole import make_parts
from bullseye.core.given.airfield import Airfield, DepartureObstacle
from tests.core.making import make_request

STEADY = {'bias_ft': 15, 'bias_sd_ft': 20, 'scatter_ft': 45, 'speed_habit_kt': 0.5, 'speed_scatter_kt': 1, 'laps': 12}
# a table with one value: roll 560 and 1,290 from 50 ft, as a handbook might print them at sea level and 15 °C
FLAT = {
    'pressure_altitude_ft': [0, 8_000],
    'temperature_c': [0, 40],
    'ground_roll_ft': [[560, 560], [560, 560]],
    'over_50_ft_ft': [[1_290, 1_290], [1_290, 1_290]],
}


def asked(*, length_ft=2_790, surface='asphalt', technique='common', **changes):
    request = make_request(
        runway={'length_ft': length_ft, 'surface': surface} | changes.pop('runway', {}),
        technique={'correction_set': technique},
        calibration=changes.pop('calibration', STEADY),
        **changes,
    )
    table = dataclasses.replace(
        request.aircraft.landing_table,
        **{k: tuple(tuple(r) if isinstance(r, list) else r for r in v) for k, v in FLAT.items()},
    )
    return dataclasses.replace(request, aircraft=dataclasses.replace(request.aircraft, landing_table=table))


@pytest.mark.parametrize(
    ('surface', 'state', 'technique', 'roll', 'whole'),
    [
        # [com] grass + 45 % of the roll, unfactored; [pub] UK CAA leaflet: + 15 % dry, + 35 % wet, x 1.43, from memory
        ('asphalt', 'dry', 'common', 560, 1_290),
        ('asphalt', 'dry', 'uk_caa', 560 * 1.43, 1_290 * 1.43),
        ('grass', 'dry', 'common', 560 * 1.45, 1_290 + 0.45 * 560),
        ('grass', 'dry', 'uk_caa', 560 * 1.15 * 1.43, 1_290 * 1.15 * 1.43),
        ('grass', 'wet', 'uk_caa', 560 * 1.35 * 1.43, 1_290 * 1.35 * 1.43),
        ('asphalt', 'wet', 'uk_caa', 560 * 1.15 * 1.43, 1_290 * 1.15 * 1.43),
    ],
)
def test_one_set_of_corrections_is_used_throughout(surface, state, technique, roll, whole):
    brief = make_brief(asked(surface=surface, surface_state=state, technique=technique, length_ft=5_000))
    margin = brief.ground.landing_margin
    assert margin.over_50_ft_ft == pytest.approx(whole)
    assert margin.stop_95_ft == pytest.approx(brief.touchdown.touchdown_95_ft + roll)
    # behind the last touchdown the leaflet's own roll must fit, never one set's surface with the other's factor
    by_leaflet = {('grass', 'dry'): 1.15, ('grass', 'wet'): 1.35, ('asphalt', 'wet'): 1.15}.get((surface, state), 1.0)
    assert brief.ground.roll_point_ft == pytest.approx(5_000 - 560 * by_leaflet * LANDING_FACTOR)


def test_the_margin_is_the_least_of_the_handbooks_and_of_where_19_in_20_stop():
    early, late = make_brief(asked(spot_ft=100)), make_brief(asked(spot_ft=900))
    assert (early.ground.landing_margin.margin_by, late.ground.landing_margin.margin_by) == ('over_50_ft', 'stop')
    assert early.ground.landing_margin.margin_ft == pytest.approx(2_790 - 1_290)
    assert late.ground.landing_margin.margin_ft == pytest.approx(2_790 - late.touchdown.touchdown_95_ft - 560)
    # scaled by the square of the touchdown speed, for the whole distance as for the roll
    light = make_brief(asked(spot_ft=100, weight_lb=1_700))
    assert light.ground.landing_margin.over_50_ft_ft == pytest.approx(1_290 * 1_700 / 2_400)


@pytest.mark.parametrize(
    ('length_ft', 'problem', 'caution'),
    [
        (1_285, 'more than the runway has', ''),
        (1_295, '', 'little margin'),
        (1_715, '', 'little margin'),
        (1_725, '', ''),
    ],
)
def test_a_third_of_the_distance_is_left_or_it_is_said(length_ft, problem, caution):
    # 1,290 ft are too long by 5, or leave 5; a third more is 1,720
    brief = make_brief(asked(length_ft=length_ft, spot_ft=100, aim_point_ft=20))
    over = [str(one) for one in brief.aim.aim_problems if 'From 50 ft' in str(one)]
    assert bool(over) is bool(problem)
    assert any('little margin' in str(one) for one in brief.cautions) is bool(caution)


def test_an_aim_behind_which_roll_or_runway_ends_is_not_good_however_it_was_set():
    request = asked(length_ft=2_400, spot_ft=600, calibration=STEADY | {'speed_habit_kt': 0})
    roll_point_ft = make_brief(request).ground.roll_point_ft
    minus_ft = make_brief(request).touchdown.touchdown_minus_aim_ft
    far_ft = make_brief(request).touchdown.touchdown_95_ft - make_brief(request).aim.aim_point_ft

    def aimed(at_ft):
        return make_brief(dataclasses.replace(request, aim_point_ft=at_ft))

    just, over = aimed(roll_point_ft - far_ft - 2), aimed(roll_point_ft - far_ft + 2)
    assert just.aim.aim_is_good, just.aim.aim_problems
    assert not over.aim.aim_is_good
    assert any('More than 1 landing in 20' in str(one) for one in over.aim.aim_problems)
    behind = aimed(roll_point_ft - minus_ft + 30)
    assert any('expected 30 ft beyond the last place' in str(one) for one in behind.aim.aim_problems)
    beyond = aimed(2_400 - 560 - minus_ft + 40)
    assert any('This landing stops 40 ft beyond the end' in str(one) for one in beyond.aim.aim_problems)
    # behind the go-around point alone it is a caution, and outside of the box it is said
    late = aimed(1_200 - minus_ft + 25)
    assert any(
        'expected 20 ft beyond the go-around point' in str(one)
        or 'expected 30 ft beyond the go-around point' in str(one)
        for one in late.cautions
    )
    assert any('beyond the box' in str(one) for one in late.cautions)


def test_a_habit_of_flying_fast_counts_as_the_aim_does():
    fast = STEADY | {'speed_habit_kt': 14}
    calm, hot = (make_brief(asked(length_ft=2_400, spot_ft=600, calibration=known)) for known in (STEADY, fast))
    assert calm.aim.aim_is_good
    assert not hot.aim.aim_is_good
    assert hot.touchdown.predicted_touchdown_ft == pytest.approx(calm.touchdown.predicted_touchdown_ft, abs=2)


def test_what_would_do_does_when_it_is_chosen():
    tried = 0
    for length_ft in (1_500, 1_900, 2_300, 2_790):
        for spot_ft in (0, 150, 700, 1_200):
            if spot_ft >= length_ft - 100:
                continue
            for known in (STEADY, {}):
                request = asked(length_ft=length_ft, spot_ft=spot_ft, calibration=known)
                said = ' '.join(map(str, make_brief(request).aim.aim_problems))
                if 'A spot at' not in said:
                    continue
                tried += 1
                place_ft = float(said.split('A spot at ')[1].split(' ft')[0].replace(',', ''))
                assert make_brief(dataclasses.replace(request, spot_ft=place_ft)).aim.aim_is_good
    assert tried > 8


HOT = {'temperature_c': 38}


@pytest.mark.parametrize(
    ('printed_fpm', 'good', 'words'),
    [(420, True, ''), (300, True, 'climbs at only'), (120, False, 'does not climb'), (None, True, 'is not entered')],
)
def test_the_climb_of_a_go_around_falls_with_density_altitude_and_forbids_where_nothing_is_left(
    printed_fpm, good, words
):
    request = asked(weather=HOT, runway={'elevation_ft': 600}, length_ft=5_000, spot_ft=900)
    request = dataclasses.replace(
        request, aircraft=dataclasses.replace(request.aircraft, landing_climb_fpm=printed_fpm)
    )
    brief = make_brief(request)
    if printed_fpm is not None:  # [com] 50 fpm for each 1,000 ft
        expected = printed_fpm - 0.05 * brief.wind.density_altitude_ft
        assert brief.ground.go_around_climb_fpm == pytest.approx(expected)
    assert brief.aim.aim_is_good is good
    said = [str(one) for one in brief.cautions]
    assert any(words in one for one in said) if words else not any('go-around climbs' in one for one in said)
    plan = make_parts(request, Plan(), brief).lap_plan
    assert bool([lap for lap in plan.laps if lap.kind in ('normal', 'go_around', 'low_approach')]) is good


def test_a_table_of_climb_is_read_between_its_rows_and_not_beyond():
    rows = [{'density_altitude_ft': 0, 'climb_fpm': 500}, {'density_altitude_ft': 4_000, 'climb_fpm': 180}]
    aircraft = dataclasses.replace(asked().aircraft, landing_climb_fpm=9.0)
    from bullseye.core.given.aircraft import ClimbRow

    aircraft = dataclasses.replace(aircraft, landing_climb_table=tuple(ClimbRow(**row) for row in rows))
    assert aircraft.go_around_climb_fpm(density_altitude_ft=1_000) == pytest.approx(420)
    assert aircraft.go_around_climb_fpm(density_altitude_ft=-700) == 500
    assert aircraft.go_around_climb_fpm(density_altitude_ft=4_001) is None


@pytest.mark.parametrize(('height_ft', 'flown'), [(40, True), (400, False)])
def test_no_takeoff_is_planned_that_does_not_clear_what_stands_beyond_the_end(height_ft, flown):
    beyond = DepartureObstacle(height_ft=height_ft, beyond_end_ft=900)
    request = asked(spot_ft=500)
    request = dataclasses.replace(request, runway=dataclasses.replace(request.runway, departure_obstacle=beyond))
    takeoff = takeoff_of(request, Plan(), landing_setup(request))
    assert takeoff.clears_obstacle is flown
    parts = make_parts(request, Plan(), make_brief(request))
    assert bool(parts.lap_plan.laps) is flown
    stops = [one for one in takeoff.cautions if one.severity == 'stop']
    assert bool(stops) is not flown
    other = dataclasses.replace(request.runway, ident='23', course_deg_true=218.0, departure_obstacle=None)
    field = Airfield(ident='T', latitude_deg=47, longitude_deg=-38, ends=(request.runway, other))
    ranked = ranking_of(request, Plan(airfield=field))
    of_end = {one.ident: one for one in ranked}
    assert of_end['05'].within_limits is flown
    if not flown:
        assert ranked[-1].ident == '05'


def test_the_ranking_shows_the_margin_that_the_landing_shows_and_clouds_forbid_every_end():
    request = asked(spot_ft=640, weather={'ceiling_ft': 900})
    brief = make_brief(request)
    (ranked,) = ranking_of(request, Plan(), brief)
    assert ranked.landing_margin_ft == brief.ground.landing_margin.margin_ft
    assert ranked.within_limits is False
    parts = make_parts(request, Plan(), brief)
    for said in (brief.cautions, parts.takeoff.cautions, parts.pattern.cautions, parts.power_off.cautions):
        assert [one.severity for one in said if 'Cloud at 900 ft' in str(one)] == ['stop']


def test_a_touch_and_go_needs_its_rollout_and_a_whole_takeoff():
    request = asked(spot_ft=500, length_ft=3_400)
    brief = make_brief(request)
    parts = make_parts(request, Plan(), brief)
    # 5 s at touchdown speed [own], in calm
    ground_kt = landing_setup(request).approach.touchdown_ktas
    rolled_ft = ground_kt * 6_076.115 / 3_600 * 5
    expected = 3_400 - brief.touchdown.touchdown_95_ft - rolled_ft - parts.takeoff.over_50_ft_ft
    assert parts.touch_and_go_margin_ft == pytest.approx(expected, abs=1)
    short = asked(spot_ft=500, length_ft=2_600)
    stops = make_parts(short, Plan(), make_brief(short))
    assert stops.touch_and_go_margin_ft < 0
    assert any('Land to a full stop' in str(one) for one in stops.notes)
    assert stops.lap_plan.lap_s > parts.lap_plan.lap_s + 150
    assert math.isclose(parts.lap_plan.lap_s, parts.pattern.seconds + 45)


def test_in_a_wind_that_nobody_gave_no_margin_is_promised():
    request = asked(
        spot_ft=500,
        length_ft=3_400,
        weather={'wind_kt': None, 'wind_dir_deg_mag': None, 'wind_dir_deg_true': None, 'gust_kt': None},
    )
    brief = make_brief(request)
    parts = make_parts(request, Plan(), brief)
    assert (brief.ground.landing_margin.margin_ft, parts.touch_and_go_margin_ft) == (None, None)
    assert 'is unknown' in str(brief.ground.landing_margin.margin_words)
    assert 'is unknown' in str(parts.touch_and_go_words)
    assert ranking_of(request, Plan(), brief)[0].landing_margin_ft is None
