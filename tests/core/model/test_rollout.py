"""The landing roll: brakes, flap, slope and exits, against the motion integrated step by step."""

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import solve_ivp

from bullseye.core.brief.landing import make_brief
from bullseye.core.model.rollout import friction_of, rollout, slowed_to_ft
from tests.core.making import briefed, make_request

FPS = 6_076.12 / 3_600


def integrated_ft(speed_fps, *, friction, lift, drag, slope, until_fps=0.0, shares=None):
    """Distance down to a speed, by the forces on the wheels and the wing."""

    def motion(t, y):
        up, back = (lift, drag) if shares is None or t < 3.0 else shares
        q = (y[1] / speed_fps) ** 2
        return [y[1], -32.174 * (friction * (1 - up * q) + back * q + slope)]

    def stopped(_, y):
        return y[1] - until_fps

    stopped.terminal = True
    done = solve_ivp(motion, (0, 600), [0.0, speed_fps], events=stopped, rtol=1e-9, max_step=0.05)
    return done.y_events[0][0][0]


@given(st.floats(300, 1_500), st.floats(38, 60), st.floats(-8, 15), st.floats(-0.03, 0.03))
def test_flap_and_brakes_change_the_roll_as_the_forces_say(roll_ft, ktas, headwind_kt, slope):
    speed_fps = (ktas - headwind_kt) * FPS
    friction = friction_of(roll_ft=roll_ft, speed_fps=speed_fps, slope=slope)
    found = rollout(roll_ft=roll_ft, touchdown_ktas=ktas, headwind_kt=headwind_kt, slope=slope, is_grass=False)
    assert (friction is None) == (found is None)
    if found is None:
        return
    as_it_is = integrated_ft(speed_fps, friction=friction, lift=0.40, drag=0.06, slope=slope)
    assert as_it_is == pytest.approx(roll_ft, rel=1e-3, abs=0.5)
    flap_up = integrated_ft(speed_fps, friction=friction, lift=0.40, drag=0.06, slope=slope, shares=(0.16, 0.03))
    assert found.flap_up_ft == pytest.approx(flap_up - roll_ft, abs=3)
    if slope > -0.02:
        free = integrated_ft(speed_fps, friction=0.03, lift=0.40, drag=0.06, slope=slope)
        assert found.no_brakes_ft == pytest.approx(free - roll_ft, rel=2e-3, abs=1)


def test_raising_the_flap_gains_tens_of_feet_and_no_more():
    # [com] "the gain is tens of feet": the default is hands off the levers
    gain_ft = -briefed(landing='short_field').rollout.flap_up_changes_ft
    assert 5 < gain_ft < 100
    assert briefed(landing='no_flap').rollout.flap_up_changes_ft is None


def test_an_exit_is_made_where_the_speed_is_down_to_a_turn():
    exits = [{'name': name, 'at_ft': at} for name, at in (('C', 2_400.0), ('A', 700.0), ('B', 1_500.0))]
    brief = briefed(runway={'exits': exits})
    touch, roll = brief.touchdown.predicted_touchdown_ft, brief.ground.ground_roll.expected_ft
    assert brief.rollout.stop_ft == pytest.approx(touch + roll)
    assert brief.rollout.stop_minus_aim_ft == pytest.approx(touch + roll - brief.aim.aim_point_ft)
    assert [(one.name, one.can_be_made) for one in brief.rollout.exits] == [('A', False), ('B', True), ('C', True)]
    words = ' '.join(str(one) for one in brief.rollout.rollout_words)
    assert 'Exit A at 700 ft comes too early' in words
    assert 'Exit B at 1,500 ft can be made' in words
    # constant braking: at 10 of 50 kt a 25th of the roll is left
    left = slowed_to_ft(roll_ft=600, touchdown_ktas=50, headwind_kt=0, to_kt=10)
    assert left == pytest.approx(600 * 24 / 25)
    unknown = briefed(runway={'exits': exits, 'surface': 'gravel'})
    assert unknown.rollout.stop_ft is None
    assert unknown.rollout.exits == ()


def test_the_handbooks_distance_over_fifty_feet_is_corrected_like_its_roll():
    def over(request):
        table = request.aircraft.landing_table
        printed = tuple(tuple(roll + 690.0 for roll in row) for row in table.ground_roll_ft)
        aircraft = replace(request.aircraft, landing_table=replace(table, over_50_ft_ft=printed))
        return make_brief(replace(request, aircraft=aircraft))

    base, wind = over(make_request()), over(make_request(weather={'wind_kt': 9}))
    assert base.rollout.over_50_ft_ft == pytest.approx(base.ground.ground_roll.expected_ft + 690)
    assert wind.rollout.over_50_ft_ft == pytest.approx(0.9 * base.rollout.over_50_ft_ft)
    wet = over(make_request(surface_state='wet'))
    assert wet.rollout.over_50_ft_ft == pytest.approx(1.15 * base.ground.ground_roll.expected_ft + 690)
    bare = make_request()
    table = replace(bare.aircraft.landing_table, over_50_ft_ft=None)
    bare = replace(bare, aircraft=replace(bare.aircraft, landing_table=table))
    assert make_brief(bare).rollout.over_50_ft_ft is None  # not entered
