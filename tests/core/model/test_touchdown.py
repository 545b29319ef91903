import time

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import solve_ivp
from scipy.stats import norm

from bullseye.core.basis.constants import FPS_PER_KT, GRAVITY_FPS2
from bullseye.core.model.forecast import best_shift_ft, hit_chance, simulate_from_aim_ft
from bullseye.core.model.glidepath import descent_rate_fpm, distance_ft, height_ft, roundout_cue
from bullseye.core.model.touchdown import Approach, aim_for, predict, sensitivity, touchdown_from_aim_ft
from tests.core.making import approach, briefed, make_request

approaches = st.builds(
    approach,
    speed_ktas=st.floats(52, 95),
    touchdown_ktas=st.floats(35, 51),
    headwind_kt=st.floats(-8, 30),
    path_angle_deg=st.floats(2.5, 7),
    deceleration_fps2=st.floats(1.5, 6),
)


def test_the_worked_example():
    # [own] docs/model.md, "Worked example", reckoned by hand; whole feet, tenths of a knot and second
    found = predict(approach())
    assert found.roundout_start_ft == pytest.approx(-149, abs=0.5)
    assert found.roundout_height_ft == pytest.approx(7.8, abs=0.05)
    assert found.roundout_ft == pytest.approx(223, abs=0.5)
    assert found.hold_off_ktas == pytest.approx(58.0, abs=0.05)
    assert found.float_ft == pytest.approx(383, abs=0.5)
    assert found.float_s == pytest.approx(4.2, abs=0.05)
    assert found.touchdown_ft == pytest.approx(456, abs=1)
    assert predict(approach(headwind_kt=10)).touchdown_ft == pytest.approx(349, abs=1)
    assert predict(approach(speed_ktas=63)).touchdown_ft == pytest.approx(508, abs=1)


def test_the_pure_hold_off():
    # [own] by hand: (60 kt)^2 - (50 kt)^2 over 2 x 3.0 ft/s^2
    entry, touch = 60 * FPS_PER_KT, 50 * FPS_PER_KT
    assert (entry**2 - touch**2) / 6 == pytest.approx(522, abs=0.5)
    level = predict(approach(speed_ktas=60, deceleration_fps2=3, path_angle_deg=1, load_factor=2, hold_off_height_ft=0))
    assert level.float_ft + level.roundout_ft == pytest.approx(522, abs=2)  # the arc of 1 degree at 2 g is next to none


def test_an_integrator_finds_the_same_place():
    # independent method: the equations of motion integrated by SciPy instead of solved
    given = approach(headwind_kt=8)
    v0, head, a = 62 * FPS_PER_KT, 8 * FPS_PER_KT, 3.2
    gamma0 = np.radians(3)
    rate = (given.load_factor - 1) * GRAVITY_FPS2 / v0  # of turning up, at the speed of the start

    def motion(t, state):
        _, _, gamma = state
        speed = v0 - a * t
        on_arc = gamma > 0
        return [
            (v0 if on_arc else speed) * np.cos(gamma) - head,
            -v0 * np.sin(gamma) if on_arc else 0,
            -rate if on_arc else 0,
        ]

    ends = (v0 - 50 * FPS_PER_KT) / a
    start = predict(given)
    run = solve_ivp(motion, (0, ends), [0, start.roundout_height_ft, gamma0], max_step=0.01)
    assert start.roundout_start_ft + run.y[0, -1] == pytest.approx(start.touchdown_ft, abs=1.5)
    assert run.y[1, -1] == pytest.approx(given.hold_off_height_ft, abs=0.1)


@given(approaches, st.floats(0.1, 15))
def test_more_headwind_never_lengthens_the_float(one, more_kt):
    windier = Approach(**{**{f: getattr(one, f) for f in one.__slots__}, 'headwind_kt': one.headwind_kt + more_kt})
    assert predict(windier).float_ft <= predict(one).float_ft
    assert predict(windier).touchdown_ft < predict(one).touchdown_ft


@given(approaches, st.floats(-200, 3_000))
def test_the_aim_solved_backwards_reproduces_the_touchdown(one, target_ft):
    from_aim_ft = predict(one).touchdown_ft
    assert aim_for(target_ft=target_ft, touchdown_minus_aim_ft=from_aim_ft) + from_aim_ft == pytest.approx(target_ft)


@given(st.lists(approaches, min_size=1, max_size=5))
def test_many_at_once_are_the_same_as_one_by_one(some):
    fields = ('speed_ktas', 'touchdown_ktas', 'headwind_kt', 'path_angle_deg', 'deceleration_fps2')
    together = touchdown_from_aim_ft(**{f: np.array([getattr(one, f) for one in some]) for f in fields})
    assert together == pytest.approx([predict(one).touchdown_ft for one in some])


def test_a_knot_of_speed_and_of_wind():
    found = sensitivity(approach())
    assert found.ft_per_kt_speed == pytest.approx(52, abs=1)  # [own] worked example
    assert found.ft_per_kt_headwind == pytest.approx((349 - 456) / 10, abs=0.3)
    assert sensitivity(approach()).ft_per_ft_roundout_height == pytest.approx(-19.1, abs=0.1)  # 1 / tan 3 degrees


def test_the_chance_to_hit_is_that_of_the_normal_distribution():
    # independent: closed form by SciPy
    landed = simulate_from_aim_ft(approach(), bias_ft=30, scatter_ft=120)
    centre = predict(approach()).touchdown_ft + 30
    expected = norm.cdf((500 - centre) / 120) - norm.cdf((300 - centre) / 120)
    assert hit_chance(landed, box_from_ft=300, box_to_ft=500) == pytest.approx(expected, abs=0.001)
    shift = best_shift_ft(landed, box_from_ft=300, box_to_ft=500)
    assert shift == pytest.approx(400 - centre, abs=3)


def test_ten_thousand_touchdowns_are_one_array_and_repeatable():
    one = simulate_from_aim_ft(approach(), bias_ft=0, scatter_ft=100, gust_headwind_kt=12)
    assert one.shape == (10_000,)
    assert np.array_equal(one, simulate_from_aim_ft(approach(), bias_ft=0, scatter_ft=100, gust_headwind_kt=12))
    began = time.perf_counter()
    for _ in range(20):
        simulate_from_aim_ft(approach(), bias_ft=0, scatter_ft=100, gust_headwind_kt=12)
    vectorised = time.perf_counter() - began
    began = time.perf_counter()
    for _ in range(2_000):
        predict(approach())
    # a ratio, so that a slow machine cannot fail it: 200,000 as an array against 2,000 one by one
    assert vectorised < 5 * (time.perf_counter() - began)


@pytest.mark.parametrize(('height', 'feet'), [(10, 191), (15, 286), (20, 382)])
def test_the_three_degree_path(height, feet):
    # [com] exact trigonometry, whole feet
    assert distance_ft(height_ft=height, path_angle_deg=3) == pytest.approx(feet, abs=0.5)
    assert height_ft(distance_ft=feet, path_angle_deg=3) == pytest.approx(height, abs=0.03)


def test_the_descent_rate_is_about_five_times_the_groundspeed():
    # [com] 65 kt: 345 fpm exactly
    assert descent_rate_fpm(groundspeed_kt=65, path_angle_deg=3) == pytest.approx(345, abs=0.5)


def test_the_cue_counts_stripes():
    # [pub] FAA AC 150/5340-1: stripe 120 ft, gap 80 ft. Nose at the first of two stripes: 320 + 40 hidden = 360 ft, 19 ft up
    cue = roundout_cue(
        runway=make_request().runway,
        path_angle_deg=3,
        roundout_height_ft=360 * np.tan(np.radians(3)) - 7.5,
        eye_height_ft=7.5,
        blind_distance_ft=40,
    )
    assert cue.words == (
        'Start the roundout with the nose at the first of two stripes before the aim: about 360 ft to go, eyes 19 ft up.'
    )


def test_a_lighter_touch_on_the_power_moves_the_aim():
    usual, early = briefed(), briefed(technique={'roundout_order': 'idle_shift_flare'})
    assert early.touchdown.touchdown_minus_aim_ft < usual.touchdown.touchdown_minus_aim_ft
    assert early.speed.approach_speed_kias == usual.speed.approach_speed_kias
