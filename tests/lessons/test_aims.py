"""Aim and touchdown are two places: the figures of lessons worked apart from the program, each within its band.

The trainer's figures: 58 kt full flap, stall 44, touches 1.05 times that, hold-off 3.0 ft/s², eyes 7 ft up, 3°, level,
sea level, 15 °C, no wind profile [own model, worked apart].
"""

from itertools import pairwise

import pytest

from tests.lessons.conftest import TRAINER


def past_aim(brief):
    return brief['touchdown']['predicted_touchdown_ft'] - brief['aim']['aim_point_ft']


def test_aim_and_touchdown_are_two_places(founded):
    lesson = founded.lesson('Wren', TRAINER, founded.runway(3_100), spot_ft=750, standard='US private')
    brief = lesson.brief()
    assert past_aim(brief) == pytest.approx(371, abs=25)
    assert brief['aim']['aim_point_ft'] == pytest.approx(579, abs=25)
    assert brief['touchdown']['ft_per_kt_speed'] == pytest.approx(54, abs=8)
    assert brief['aim']['aim_point_ft'] != 750
    assert brief['basis']['laps'] == 0


def test_the_approach_was_right_and_only_its_aim_lay_wrong(founded):
    lesson = founded.lesson(
        'Wren', TRAINER, founded.runway(3_100), spot_ft=900, landing='short_field', then={'approach_speed_kias': 58.0}
    )
    lap = lesson.fly(aim_point_ft=900.0, threshold_speed_kias=58.0, along_ft=1_290.0, drift='none', float_s=None)
    assert lap['diagnosis']['error_ft'] == pytest.approx(290)
    parts = {one['cause']: one['feet'] for one in lap['diagnosis']['parts']}
    known = [feet for feet in parts.values() if feet is not None]
    assert sum(known) == pytest.approx(290)
    assert parts['aim'] == pytest.approx(271, abs=25)
    assert lap['diagnosis']['largest'] == 'aim'
    assert 'hold' not in lap['diagnosis']['one_change'].lower()


def test_the_same_miss_three_times_moves_the_aim_in_steps(founded):
    lesson = founded.lesson(
        'Wren', TRAINER, founded.runway(3_100), spot_ft=740, landing='short_field', then={'approach_speed_kias': 58.0}
    )
    start = lesson.brief()['aim']['aim_point_ft']
    aims = [start]
    for place in (970.0, 1_025.0, 1_000.0):
        lesson.fly(aim_point_ft=470.0, threshold_speed_kias=58.0, along_ft=place)
        aims.append(lesson.brief()['aim']['aim_point_ft'])
    assert aims[-1] < start
    assert start - aims[-1] <= 157 + 1
    assert all(later <= earlier + 1 for earlier, later in pairwise(aims))
    assert lesson.brief()['basis']['laps'] == 3
    assert 'hold' not in lesson.laps()['summary']['one_change'].lower()


def test_a_line_that_nobody_reaches_safely_is_not_offered(founded):
    lesson = founded.lesson(
        'Wren', TRAINER, founded.runway(1_850), spot_ft=150, landing='short_field', then={'approach_speed_kias': 54.0}
    )
    brief = lesson.brief()
    assert not brief['aim']['aim_is_good']
    assert past_aim(brief) == pytest.approx(164, abs=20)
    assert brief['ground']['go_around_point_ft'] == pytest.approx(925, abs=1)


@pytest.mark.parametrize('spots', [((500, 229), (900, 629), (750, 479), (1_250, 979))])
def test_another_line_each_lap_has_its_own_aim(founded, spots):
    lesson = founded.lesson('Wren', TRAINER, founded.runway(4_000), landing='short_field')
    for spot_ft, aim_ft in spots:
        lesson.change(spot_ft=spot_ft, approach_speed_kias=58.0)
        brief = lesson.brief()
        assert brief['aim']['aim_point_ft'] == pytest.approx(aim_ft, abs=30)
        assert brief['aim']['aim_is_good'] or spot_ft == 500  # too near for a pilot of whom nothing is known
    assert brief['ground']['go_around_point_ft'] == pytest.approx(2_000, abs=1)


def test_steady_wind_is_no_gust(founded):
    lesson = founded.lesson('Wren', TRAINER, founded.runway(3_100), wind_kt=21, wind_dir_deg_mag=90)
    monday = lesson.brief()
    assert monday['speed']['approach_speed_kias'] == pytest.approx(58, abs=0.1)
    assert monday['speed']['approach_groundspeed_kt'] == pytest.approx(37, abs=0.5)
    assert monday['speed']['descent_rate_fpm'] == pytest.approx(196, abs=10)
    lesson.change(wind_kt=15, gust_kt=23, wind_dir_deg_mag=90)
    assert lesson.brief()['speed']['approach_speed_kias'] == pytest.approx(62, abs=0.1)


def test_the_instructor_steps_out_and_the_numbers_change(founded):
    lesson = founded.lesson('Wren', TRAINER, founded.runway(3_100), spot_ft=800)
    lesson.change(weight_lb=1_590, alone=True)
    brief = lesson.brief()
    assert brief['speed']['approach_speed_kias'] == pytest.approx(54.5, abs=0.2)
    assert past_aim(brief) == pytest.approx(308, abs=35)
    kept = lesson.brief(approach_speed_kias=58.0)
    assert past_aim(kept) == pytest.approx(490, abs=35)
    alone = next(one for one in brief['wind']['crosswind_limits'] if one['name'] == 'aircraft')
    assert alone['limit_kt'] == 15


def test_without_flap_it_floats_much_farther(founded):
    lesson = founded.lesson(
        'Wren', TRAINER, founded.runway(4_000), spot_ft=1_200, landing='no_flap', wind_kt=6, wind_dir_deg_mag=90
    )
    brief = lesson.brief()
    assert brief['speed']['approach_speed_kias'] == pytest.approx(66, abs=0.1)
    assert past_aim(brief) > 480
    full = founded.lesson('Wren', TRAINER, founded.runway(4_000), spot_ft=1_200, wind_kt=6, wind_dir_deg_mag=90)
    assert past_aim(full.brief()) == pytest.approx(308, abs=25)
    assert brief['aim']['aim_point_ft'] < full.brief()['aim']['aim_point_ft'] - 150
