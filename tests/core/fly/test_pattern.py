import dataclasses
import math
from itertools import pairwise

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import solve_ivp

from bullseye.core.air.turns import (
    GroundWind,
    Turn,
    bank_to_fit,
    groundspeed_on,
    heading_for,
    radius_ft,
    rate_deg_s,
    stall_factor,
)
from bullseye.core.basis.constants import FPS_PER_KT, FT_PER_NM
from bullseye.core.brief.asked import glide_task, pattern_task, takeoff_of
from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.plan import Plan
from bullseye.core.brief.setup import landing_setup
from bullseye.core.brief.whole import make_parts
from bullseye.core.fly import poweroff
from bullseye.core.fly.legs import wind_at_pattern_height
from bullseye.core.fly.pattern import NoPattern, PatternChoice, brief_pattern
from tests.core.making import briefed, make_request

CALM = GroundWind(along_fps=0, right_fps=0)


def task_for(choice=None, **changes):
    request = make_request(**changes)
    plan = Plan(pattern=choice or PatternChoice(wind_kt=0.0))
    setup = landing_setup(request)
    return request, pattern_task(request, plan, setup, briefed(**changes), takeoff_of(request, plan, setup))


def pattern(choice=None, **changes):
    return brief_pattern(task_for(choice, **changes)[1])


def test_radius_rate_and_stall_margin_of_a_turn():
    # [pub] PHAK: R = V^2/(11.26 tan bank): 120 kt at 30 degrees 2,215 ft; rate = 1,091 tan bank / V: 5.25 deg/s;
    # 11.26 and 1,091 are rounded to three figures
    assert radius_ft(speed_ktas=120, bank_deg=30) == pytest.approx(2_215, rel=0.005)
    assert rate_deg_s(speed_ktas=120, bank_deg=30) == pytest.approx(1_091 * math.tan(math.radians(30)) / 120, rel=0.005)
    # [pub] FAA-H-8083-3: +7 % at 30 degrees, +19 % at 45, +41 % at 60
    assert [round((stall_factor(bank) - 1) * 100) for bank in (30, 45, 60)] == [7, 19, 41]


@pytest.mark.parametrize(('side', 'turned'), [('left', -90.0), ('right', 90.0)])
def test_the_legs_are_flown_round_to_the_side_of_the_pattern_and_the_gates_stand_on_them(side, turned):
    # course 050.4 magnetic; calm: heading and track are one
    found = pattern(runway={'pattern_side': side}, weather={'wind_kt': 0.0})
    course = make_request().runway.course_deg_mag
    by_leg = {leg.leg: leg.heading_deg_mag for leg in found.legs}
    around = {'crosswind': 1, 'downwind': 2, 'base': 3, 'final': 0}
    for leg, quarters in around.items():
        off = (by_leg[leg] - course - quarters * turned + 180) % 360 - 180
        assert off == pytest.approx(0, abs=0.1), leg
    gates = {gate.name: gate for gate in found.gates}
    out_ft = math.copysign(1.0, turned) * 0.75 * FT_PER_NM
    assert gates['abeam the spot'].lateral_ft == pytest.approx(out_ft, rel=0.01)
    # mid-base lies half-way between where base begins and where it ends, out at that side
    assert 0.2 < gates['mid-base'].lateral_ft / out_ft < 0.8
    assert gates['mid-base'].along_ft < gates['abeam the spot'].along_ft


@pytest.mark.parametrize('side', ['left', 'right'])
def test_a_wind_from_the_right_turns_every_nose_into_it(side):
    found = pattern(
        PatternChoice(wind_kt=15.0, wind_dir_deg_true=128.0),
        runway={'pattern_side': side},
        weather={'wind_kt': 14.0, 'wind_dir_deg_mag': 140.4},
    )
    crabs = {leg.leg: (leg.heading_deg_mag - leg.track_deg_mag + 180) % 360 - 180 for leg in found.legs}
    assert crabs['upwind'] > 4  # the wind is on the right hand there and on final, on the left on downwind
    assert crabs['final'] > 4
    assert crabs['downwind'] < -4


def test_in_still_air_a_turn_is_an_arc_and_wind_only_carries_it_along():
    turn = Turn(from_heading_deg=90, turned_deg=90, bank_deg=25, speed_ktas=75)
    radius = radius_ft(speed_ktas=75, bank_deg=25)
    assert turn.displacement(CALM) == pytest.approx((-radius, radius))  # from across to against the landing direction
    wind = GroundWind(along_fps=-12, right_fps=20)
    moved = turn.displacement(wind)
    assert moved == pytest.approx((-radius - 12 * turn.seconds, radius + 20 * turn.seconds))  # drift = wind x time


@given(st.floats(-180, 180), st.floats(-270, 270).filter(lambda d: abs(d) > 1), st.floats(-40, 40), st.floats(-40, 40))
def test_an_integrator_flies_the_same_turn(heading, turned, along, right):
    # independent method: the motion integrated by SciPy
    turn = Turn(from_heading_deg=heading, turned_deg=turned, bank_deg=20, speed_ktas=80)
    rate = math.radians(rate_deg_s(speed_ktas=80, bank_deg=20)) * math.copysign(1, turned)

    def motion(t, _):
        now = math.radians(heading) + rate * t
        return [80 * FPS_PER_KT * math.cos(now) + along, 80 * FPS_PER_KT * math.sin(now) + right]

    run = solve_ivp(motion, (0, turn.seconds), [0, 0], rtol=1e-8, atol=1e-6)
    assert turn.displacement(GroundWind(along_fps=along, right_fps=right)) == pytest.approx(
        tuple(run.y[:, -1]), abs=0.1
    )


@given(st.floats(-180, 180), st.floats(-30, 30), st.floats(-30, 30))
def test_the_crab_makes_the_track_good(track, along_kt, right_kt):
    wind = GroundWind(along_fps=along_kt * FPS_PER_KT, right_fps=right_kt * FPS_PER_KT)
    heading = heading_for(track_deg=track, speed_ktas=75, wind=wind)
    north = 75 * math.cos(math.radians(heading)) + along_kt
    east = 75 * math.sin(math.radians(heading)) + right_kt
    assert math.hypot(north, east) == pytest.approx(
        groundspeed_on(track_deg=track, heading_deg=heading, speed_ktas=75, wind=wind)
    )
    assert (math.degrees(math.atan2(east, north)) - track + 180) % 360 - 180 == pytest.approx(0, abs=1e-6)
    assert heading_for(track_deg=0, speed_ktas=40, wind=GroundWind(along_fps=0, right_fps=50 * FPS_PER_KT)) is None


def test_the_still_air_pattern_is_square_and_at_its_spacing():
    found = pattern()
    legs = {leg.leg: leg for leg in found.legs}
    assert all(leg.crab_deg == pytest.approx(0, abs=1e-9) for leg in found.legs)
    assert legs['downwind'].heading_deg_mag == pytest.approx(50.4 + 180)
    assert min(point.lateral_ft for point in found.path) == pytest.approx(-0.75 * FT_PER_NM, abs=1)  # left pattern
    turned_deg = {turn.onto: turn.seconds for turn in found.turns}
    assert turned_deg['base'] == pytest.approx(90 / rate_deg_s(speed_ktas=85.0, bank_deg=25), rel=0.02)
    assert found.path[-1].lateral_ft == pytest.approx(0, abs=1)
    assert found.path[-1].height_ft == pytest.approx(0, abs=1)
    assert str(found.final_turn.words) == 'The wind hardly moves the turn onto final.'


@pytest.mark.parametrize('side', ['left', 'right'])
@pytest.mark.parametrize('direction', [0, 75, 128, 200, 300])
def test_in_any_wind_the_legs_are_where_they_should_be(side, direction):
    found = pattern(PatternChoice(side=side, wind_dir_deg_true=direction, wind_kt=18))
    sign = 1 if side == 'right' else -1
    on_downwind = [p.lateral_ft for p in found.path if p.leg == 'downwind'][-2:]
    assert on_downwind == pytest.approx([sign * 0.75 * FT_PER_NM] * 2, abs=2)  # parallel, at the spacing
    assert found.path[-1].lateral_ft == pytest.approx(0, abs=2)
    heights = [gate.height_ft for gate in found.gates]
    assert heights == sorted(heights, reverse=True)
    assert found.gates[0].height_ft == pytest.approx(1_000)


def test_halfway_round_half_the_height_is_gone():
    # [com]
    gates = {gate.name: gate for gate in pattern().gates}
    assert gates['mid-base'].height_ft == pytest.approx(500, abs=80)
    assert gates['200 ft on final'].along_ft == pytest.approx(
        briefed().aim.aim_point_ft - 200 / math.tan(math.radians(3)), abs=0.1
    )


def test_three_quarters_of_a_mile_lies_twelve_degrees_below_the_horizon():
    # [com] 1,000 ft at 3/4 nm: 12.4 degrees
    found = pattern()
    assert found.spacing_cue_deg == pytest.approx(12.4, abs=0.05)
    assert 'just at the wing mark' in str(found.spacing_words)
    assert 'above the wing mark' in str(pattern(PatternChoice(spacing_nm=1.0, wind_kt=0.0)).spacing_words)


def test_a_wind_along_base_overshoots_final_unless_begun_earlier():
    # runway course 38 true, left pattern: base is flown to the right of it, a wind from the left carries it through
    found = pattern(PatternChoice(wind_dir_deg_true=308, wind_kt=20))
    turn = found.final_turn
    assert turn.drift_ft > 200
    assert f'Roll in {turn.begin_earlier_s:.0f} s earlier' in str(turn.words)
    assert turn.bank_if_begun_late_deg > 30
    assert any('go around' in text for text in map(str, found.cautions))
    held = pattern(PatternChoice(wind_dir_deg_true=128, wind_kt=20)).final_turn
    assert held.drift_ft < -200
    fitted = bank_to_fit(
        from_heading_deg=90, turned_deg=-90, speed_ktas=70, wind=CALM, across_ft=radius_ft(speed_ktas=70, bank_deg=33)
    )
    assert fitted == pytest.approx(33, abs=0.01)


def test_number_two_flies_on_and_gets_the_new_final():
    alone, second = pattern(), pattern(PatternChoice(wind_kt=0.0, base_extension_s=30))
    downwind = next(leg for leg in alone.legs if leg.leg == 'downwind')
    assert second.final_length_ft - alone.final_length_ft == pytest.approx(
        30 * downwind.groundspeed_kt * FPS_PER_KT, rel=0.001
    )
    assert second.gates[0].height_ft == alone.gates[0].height_ft


def test_the_wind_turns_the_right_way_in_each_hemisphere():
    assert wind_at_pattern_height(direction_deg_true=350, speed_kt=10, is_northern=True)[0] == pytest.approx(10)
    assert wind_at_pattern_height(direction_deg_true=10, speed_kt=10, is_northern=False)[0] == pytest.approx(350)
    given, estimated = (
        pattern(PatternChoice(wind_dir_deg_true=38, wind_kt=12)),
        pattern(PatternChoice(), weather={'wind_kt': 8}),
    )
    assert given.wind_source == 'given'
    assert 'estimated' in estimated.wind_source


def test_what_cannot_be_flown_says_why_and_the_rest_stands():
    with pytest.raises(NoPattern, match='stronger than the aeroplane is fast'):
        pattern(PatternChoice(wind_dir_deg_true=128, wind_kt=95))
    with pytest.raises(NoPattern, match='direction is unknown'):
        pattern(PatternChoice(), weather={'wind_kt': 5, 'wind_dir_deg_mag': None})
    parts = make_parts(make_request(weather={'wind_kt': 5, 'wind_dir_deg_mag': None}), Plan())
    assert parts.pattern is None
    assert parts.power_off is None
    assert [one.words.name for one in parts.notes if one.words.name.startswith('no_')] == ['no_pattern', 'no_reach']
    assert parts.takeoff.steps
    tight = pattern(PatternChoice(spacing_nm=0.25, wind_kt=0.0))
    assert any('Fly wider' in text for text in map(str, tight.cautions))


def glide(shape='arc', **changes):
    request, task = task_for(**changes, technique={'power_off_shape': shape})
    return glide_task(request, task), poweroff.brief_power_off(glide_task(request, task))


@pytest.mark.parametrize('shape', ['arc', 'squared'])
def test_the_glide_in_still_air_loses_height_by_its_angle(shape):
    task, found = glide(shape, runway={'length_ft': 6_000})
    path = np.array(found.path)
    lengths = np.hypot(*np.diff(path[:, :2], axis=0).T)
    # analytic: straight legs lose tan 5.6 degrees of their length, turns 1/cos(bank) more
    straight = slice(0, 4)
    assert -np.diff(path[:, 2])[straight].sum() == pytest.approx(
        math.tan(math.radians(5.6)) * lengths[straight].sum(), rel=0.01
    )
    assert found.reach_ft[0] < task.aim_point_ft < found.reach_ft[1]
    assert sum(found.reach_ft) / 2 == pytest.approx(task.aim_point_ft, abs=60)
    clean_ft = found.path[-1]
    assert found.margin_ft == pytest.approx(found.reach_ft[1] - task.aim_point_ft)
    assert clean_ft[1] == pytest.approx(0, abs=40)


def test_a_headwind_on_final_makes_the_turn_come_earlier():
    calm, windy = glide()[1], glide(weather={'wind_kt': 15})[1]
    assert windy.turn_after_abeam_s <= calm.turn_after_abeam_s
    assert windy.margin_ft >= 0


def test_out_of_reach_is_not_offered_and_says_why():
    task, _ = glide()
    with pytest.raises(poweroff.NoGlide, match='NOT REACHED: the last turn would end 0 ft up'):
        poweroff.brief_power_off(dataclasses.replace(task, spacing_ft=12_000.0))
    near = poweroff.brief_power_off(dataclasses.replace(task, height_ft=3_500.0))
    assert [text[:8] for text in map(str, near.cautions) if text[:8] in ('TOO HIGH', 'NOT REAC')] == ['TOO HIGH']


def _layered(task, height_ft):
    share = min(1.0, max(0.0, height_ft / task.height_ft))
    low, high = task.ground_wind, task.pattern_wind
    return (
        low.along_fps + share * (high.along_fps - low.along_fps),
        low.right_fps + share * (high.right_fps - low.right_fps),
    )


@pytest.mark.parametrize('side', ['left', 'right'])
@pytest.mark.parametrize(('across_kt', 'head_kt'), [(9.0, 4.0), (-9.0, 4.0), (5.0, -3.0), (12.0, 6.0), (-11.0, 9.0)])
def test_an_integrator_flies_the_arc_onto_the_centreline(side, across_kt, head_kt):
    still, _ = glide()
    low = GroundWind.on(headwind_kt=head_kt, crosswind_from_right_kt=across_kt)
    high = GroundWind.on(headwind_kt=1.3 * head_kt, crosswind_from_right_kt=1.4 * across_kt)
    task = dataclasses.replace(still, side=side, ground_wind=low, pattern_wind=high, spacing_ft=4_600.0)
    found = poweroff.brief_power_off(task)
    assert found.bank_deg <= 30
    right = 1.0 if side == 'right' else -1.0
    fps = found.glide_kias * FPS_PER_KT  # sea level on a standard day: calibrated nearly true
    table = task.aircraft.flaps[0].airspeed_table
    fps = table.calibrated_kt(found.glide_kias) * FPS_PER_KT / math.sqrt(task.density_ratio)
    sink = fps * math.tan(math.radians(task.aircraft.idle_path_angle_deg(task.aircraft.flaps[0])))
    rate = right * 32.174 * math.tan(math.radians(found.bank_deg)) / fps
    # from abeam along the downwind with the crab of each height, to where the turn begins

    def downwind(_t, state):
        wind = _layered(task, state[1])
        return [-math.sqrt(fps**2 - wind[1] ** 2) + wind[0], -sink]

    def at_turn(_t, state):
        return state[0] - found.turn_now_along_ft

    at_turn.terminal = True
    begun_ft = task.height_ft
    if found.turn_after_abeam_ft > 1:
        out = solve_ivp(downwind, (0, 200), [task.spot_ft, task.height_ft], events=at_turn, rtol=1e-8)
        begun_ft = out.y_events[0][0][1]

    # where the spot stands 45° behind the wing, were downwind flown so far; by the wind abeam, a few feet of what it is
    def at_45(_t, state):
        return state[0] - (task.spot_ft - task.spacing_ft)

    at_45.terminal = True
    out = solve_ivp(downwind, (0, 200), [task.spot_ft, task.height_ft], events=at_45, rtol=1e-8)
    assert out.y_events[0][0][1] == pytest.approx(found.height_at_45_ft, abs=12)
    # then until the crab that holds final
    cross = _layered(task, begun_ft)[1]
    heading = math.radians(180.0) + math.asin(cross / fps)

    def motion(_t, state):
        wind = _layered(task, state[2])
        return [
            fps * math.cos(state[3]) + wind[0],
            fps * math.sin(state[3]) + wind[1],
            -sink / math.cos(math.radians(found.bank_deg)),
            rate,
        ]

    start = [
        found.turn_now_along_ft,
        right * task.spacing_ft,
        begun_ft,
        heading if right > 0 else heading - 2 * math.pi,
    ]

    def on_final(_t, state):
        return (state[3] - (2 * math.pi if right > 0 else -2 * math.pi)) * right + math.asin(
            _layered(task, state[2])[1] / fps
        ) * right

    on_final.terminal = True
    run = solve_ivp(motion, (0, 200), start, events=on_final, rtol=1e-8, atol=1e-6)
    along, lateral, height, _ = run.y_events[0][0]
    assert abs(lateral) < 15  # docs/model.md promises 60 ft
    assert height == pytest.approx(found.height_on_final_ft, abs=4)

    # then straight down the centreline with the crab of each height, clean and with full flap and a slip
    def on_final_motion(_t, state, slope):
        wind = _layered(task, state[1])
        return [math.sqrt(fps**2 - wind[1] ** 2) + wind[0], -fps * slope]

    def down(_t, state, _slope):
        return state[1]

    down.terminal = True
    aircraft = task.aircraft
    steep_deg = aircraft.idle_path_angle_deg(aircraft.flaps[-1]) + 2.5  # [own] of the slip
    for reached_ft, angle_deg in zip(
        found.reach_ft, (steep_deg, aircraft.idle_path_angle_deg(aircraft.flaps[0])), strict=True
    ):
        slope = math.tan(math.radians(angle_deg))
        ends = solve_ivp(on_final_motion, (0, 300), [along, height], args=(slope,), events=down, rtol=1e-8)
        assert reached_ft == pytest.approx(ends.y_events[0][0][0], abs=60)


def test_a_turn_that_would_take_too_much_bank_is_not_offered():
    task, _ = glide()
    wind = GroundWind.on(headwind_kt=0.0, crosswind_from_right_kt=22.0)
    blown = dataclasses.replace(task, side='right', ground_wind=wind, pattern_wind=wind, spacing_ft=1_900.0)
    with pytest.raises(poweroff.NoGlide, match='more than 30° of bank'):
        poweroff.brief_power_off(blown)


def slow_base(kias):
    _, task = task_for()
    ladder = dataclasses.replace(task.aircraft.ladder, base=dataclasses.replace(task.aircraft.ladder.base, kias=kias))
    return dataclasses.replace(task, aircraft=dataclasses.replace(task.aircraft, ladder=ladder))


def test_no_leg_or_turn_is_briefed_near_the_stall():
    task = slow_base(70.0)
    made = brief_pattern(task)
    stall = task.aircraft.flap(task.aircraft.ladder.base.flap)
    base_turn = next(turn for turn in made.turns if turn.onto == 'final')
    of_base = next(leg for leg in made.legs if leg.leg == 'base')
    # [pub] FAA-H-8083-3: the stalling speed grows with the root of the load factor, 1/cos of the bank
    level_kias = stall.airspeed_table.indicated_kt(task.aircraft.stall_kcas(flap=stall, weight_lb=task.weight_lb))
    assert of_base.stall_margin_kt == pytest.approx(of_base.kias - level_kias)
    assert of_base.stall_margin_kt > base_turn.stall_margin_kt > 3
    steep = dataclasses.replace(task, choice=PatternChoice(bank_deg=30, wind_kt=0.0))
    slow_kias = level_kias * 1.1
    with pytest.raises(NoPattern, match=r'too near the stall of .* in 30° of bank with flap'):
        brief_pattern(dataclasses.replace(slow_base(slow_kias), choice=steep.choice))
    stall_kcas = task.aircraft.stall_kcas(flap=stall, weight_lb=task.weight_lb) * stall_factor(25)
    near = brief_pattern(slow_base(stall.airspeed_table.indicated_kt(1.12 * stall_kcas)))
    assert any('kt above the stall in the turn from base' in text for text in map(str, near.cautions))


def test_turns_too_low_and_a_wind_without_direction_are_said():
    low = brief_pattern(dataclasses.replace(task_for()[1], pattern_altitude_ft=538.0, first_turn_ft=238.0))
    assert any('only 200 ft above the field' in text for text in map(str, low.cautions))
    above = brief_pattern(dataclasses.replace(task_for()[1], pattern_altitude_ft=538.0, first_turn_ft=600.0))
    assert any('above pattern altitude' in text for text in map(str, above.cautions))
    assert not any('first turn' in text for text in map(str, pattern().cautions))
    with pytest.raises(NoPattern, match='direction of the wind at pattern height'):
        pattern(PatternChoice(wind_kt=14.0))


@pytest.mark.parametrize(
    ('side', 'from_deg_mag', 'words'),
    [
        ('left', 320.4, 'towards the field'),
        ('left', 140.4, 'away from the field'),
        ('right', 320.4, 'away from the field'),
        ('right', 140.4, 'towards the field'),
        ('left', 50.4, 'Little wind'),
    ],
)
def test_wind_across_the_pattern_is_said_by_its_side(side, from_deg_mag, words):
    request = make_request(weather={'wind_dir_deg_mag': from_deg_mag, 'wind_kt': 10})
    choice = PatternChoice(side=side, wind_dir_deg_true=(from_deg_mag - 12.4) % 360, wind_kt=10.0)
    made = make_parts(request, Plan(pattern=choice), make_brief(request)).pattern
    assert words in str(made.wind_words)
    if 'field' in words:  # drift = wind × time, in closed form
        downwind = next(leg for leg in made.legs if leg.leg == 'downwind')
        assert f'{round(10 * FPS_PER_KT * downwind.seconds, -1):,.0f} ft' in str(made.wind_words)


@pytest.mark.parametrize('side', ['left', 'right'])
@pytest.mark.parametrize('wind', [0.0, 14.0])
def test_a_field_bends_its_pattern_and_it_is_briefed_like_any_other(side, wind):
    own = {'base_angle_deg': 60.0, 'pattern_spacing_nm': 1.1, 'downwind_extension_s': 25.0, 'pattern_side': side}
    choice = PatternChoice(wind_kt=wind, wind_dir_deg_true=100.0)
    bent = brief_pattern(task_for(choice, runway=own)[1])
    square = brief_pattern(task_for(choice, runway={'pattern_side': side, 'pattern_spacing_nm': 1.1})[1])
    assert bent.spacing_ft == pytest.approx(1.1 * 6_076.12)
    assert brief_pattern(task_for(PatternChoice(wind_kt=0.0, spacing_nm=0.5), runway=own)[1]).spacing_ft < 3_100
    base = [point for point in bent.path if point.leg == 'base']
    # the straight part of base makes 60 degrees with final over the ground, whatever the wind
    straight = max(pairwise(base), key=lambda pair: math.dist(_place(pair[0]), _place(pair[1])))
    along, across = (
        straight[1].along_ft - straight[0].along_ft,
        abs(straight[1].lateral_ft - straight[0].lateral_ft),
    )
    assert math.degrees(math.atan2(across, along)) == pytest.approx(60, abs=0.5)
    final = [point for point in bent.path if point.leg == 'final']
    assert abs(final[-1].lateral_ft) < 5
    turned = next(turn for turn in bent.turns if turn.onto == 'final')
    assert turned.seconds < next(turn for turn in square.turns if turn.onto == 'final').seconds
    farther_ft = min(p.along_ft for p in square.path if p.leg == 'downwind') - min(
        p.along_ft for p in bent.path if p.leg == 'downwind'
    )
    downwind = next(leg for leg in bent.legs if leg.leg == 'downwind')
    assert farther_ft == pytest.approx(25 * downwind.groundspeed_kt * 6_076.12 / 3_600, abs=30)
    assert bent.number_two is None  # nobody is ahead


def _place(point):
    return point.along_ft, point.lateral_ft
