import dataclasses
import time

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.stats import norm

from bullseye.core.model.forecast import best_shift_ft, hit_chance, simulate_from_aim_ft
from bullseye.core.model.glidepath import descent_rate_fpm, distance_ft, height_ft, roundout_cue
from bullseye.core.model.touchdown import (
    Approach,
    aim_for,
    aim_for_wheels_ft,
    predict,
    sensitivity,
    touchdown_from_aim_ft,
    wheels_over_ft,
)
from tests.core.making import approach, briefed, make_request
from tests.core.model.integrated import touchdown_from_aim_ft as touchdown_integrated

approaches = st.builds(
    approach,
    speed_ktas=st.floats(52, 95),
    touchdown_ktas=st.floats(35, 51),
    headwind_kt=st.floats(-8, 30),
    path_angle_deg=st.floats(2.5, 7),
    deceleration_fps2=st.floats(1.5, 6),
)


@pytest.mark.parametrize(
    ('changes', 'model_ft', 'integrated_ft'),
    [
        # [own] docs/model.md, "Worked example": our equations by hand, and the motion integrated by somebody else
        ({}, 367, 366),
        ({'headwind_kt': 10}, 268, 268),
        ({'headwind_kt': 20}, 172, 171),
        ({'speed_ktas': 63}, 421, 420),
        ({'slope': -0.03}, 401, 401),
        ({'slope': 0.03}, 286, 284),
        ({'headwind_kt': 10, 'slope': 0.03}, 228, 226),
    ],
)
def test_the_worked_examples(changes, model_ft, integrated_ft):
    found = predict(approach(**changes))
    assert found.touchdown_ft == pytest.approx(model_ft, abs=0.6)
    assert _integrated(approach(**changes)) == pytest.approx(integrated_ft, abs=0.6)


def test_the_eyes_and_not_the_wheels_point_at_the_aim():
    # [own] exact: 7.5 ft of eye height are 143 ft on 3 degrees
    low, high = predict(approach(eye_height_ft=0)), predict(approach(eye_height_ft=7.5))
    assert low.touchdown_ft - high.touchdown_ft == pytest.approx(7.5 / np.tan(np.radians(3)), abs=0.01)
    assert wheels_over_ft(approach(), aim_ft=343.1, at_ft=0) == pytest.approx(10.48, abs=0.02)
    assert wheels_over_ft(approach(slope=0.02), aim_ft=343.1, at_ft=-200) == pytest.approx(
        543.1 * 0.07241 - 7.5, abs=0.02
    )
    aim = aim_for_wheels_ft(approach(slope=-0.01), wheels_ft=3, at_ft=-150)
    assert wheels_over_ft(approach(slope=-0.01), aim_ft=aim, at_ft=-150) == pytest.approx(3)


def _integrated(one: Approach) -> float:
    return touchdown_integrated(
        v0_kt=one.speed_ktas,
        vt_kt=one.touchdown_ktas,
        gamma_deg=one.path_angle_deg,
        eye_ft=one.eye_height_ft,
        a=one.deceleration_fps2,
        head_kt=one.headwind_kt,
        slope=one.slope,
        wing_ft=one.wing_height_ft,
        z0_ft=one.roughness_ft,
        n=one.load_factor,
        h1_ft=one.hold_off_height_ft,
    )


@pytest.mark.parametrize('uphill', [-1, 1])
@pytest.mark.parametrize('headwind', [-1, 1])
@pytest.mark.parametrize('steep', [False, True])
def test_an_integrator_finds_the_same_place(uphill, headwind, steep):
    """Five hundred approaches, each kind and each sign of slope and wind apart; forces integrated, no code shared."""
    rng = np.random.default_rng([uphill + 1, headwind + 1, steep])
    off = []
    for _ in range(63):
        v0 = rng.uniform(55, 75)
        one = approach(
            speed_ktas=v0,
            touchdown_ktas=v0 * rng.uniform(0.74, 0.86),
            path_angle_deg=rng.uniform(4.5, 7.5) if steep else rng.uniform(3, 4.5),
            load_factor=1.15 if steep else 1.08,
            eye_height_ft=rng.uniform(4, 9),
            deceleration_fps2=rng.uniform(2.2, 4.5),
            headwind_kt=headwind * rng.uniform(0, 25 if headwind > 0 else 10),
            slope=uphill * rng.uniform(0, 0.03),
            wing_height_ft=rng.choice([3.0, 7.0]),
            roughness_ft=rng.choice([0.0, 0.03, 0.1, 0.5]) / 0.3048,
        )
        off.append(abs(predict(one).touchdown_ft - _integrated(one)))
    assert np.quantile(off, 0.95) < 5
    assert max(off) < 15
    assert np.median(off) < 2


@given(approaches, st.floats(0.1, 15))
def test_more_headwind_brings_the_touchdown_nearer(one, more_kt):
    windier = Approach(**{**{f: getattr(one, f) for f in one.__slots__}, 'headwind_kt': one.headwind_kt + more_kt})
    # the float alone may be a little longer: on a flatter path through the air less speed is lost in the roundout
    assert predict(windier).touchdown_ft < predict(one).touchdown_ft


@given(approaches, st.floats(-200, 3_000))
def test_the_aim_solved_backwards_reproduces_the_touchdown(one, target_ft):
    from_aim_ft = predict(one).touchdown_ft
    assert aim_for(target_ft=target_ft, touchdown_minus_aim_ft=from_aim_ft) + from_aim_ft == pytest.approx(target_ft)


@given(st.lists(approaches, min_size=1, max_size=5))
def test_many_at_once_are_the_same_as_one_by_one(some):
    fields = [one.name for one in dataclasses.fields(Approach)]
    together = touchdown_from_aim_ft(**{f: np.array([getattr(one, f) for one in some]) for f in fields})
    assert together == pytest.approx([predict(one).touchdown_ft for one in some])


def test_a_knot_of_speed_and_of_wind():
    found = sensitivity(approach())
    assert found.ft_per_kt_speed == pytest.approx(54, abs=1)  # [own] worked example
    assert found.ft_per_kt_headwind == pytest.approx((268 - 367) / 10, abs=0.5)
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
        eyes_before_aim_ft=360,
        eyes_height_ft=360 * np.tan(np.radians(3)),
        blind_distance_ft=40,
    )
    assert str(cue.words) == (
        'Start the roundout with the nose at the first of two stripes before the aim: about 360 ft to go, eyes 19 ft up.'
    )


def test_a_lighter_touch_on_the_power_moves_the_aim():
    usual, early = briefed(), briefed(technique={'roundout_order': 'idle_shift_flare'})
    assert early.touchdown.touchdown_minus_aim_ft < usual.touchdown.touchdown_minus_aim_ft
    assert early.speed.approach_speed_kias == usual.speed.approach_speed_kias
