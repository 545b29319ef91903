import json
import math
import subprocess
import sys
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.request import RefusedRequest
from bullseye.core.brief.setup import landing_setup
from bullseye.launch.places import ROOT
from tests.core.making import briefed, make_request, request_data


def run_brief(*arguments, text='', command='brief'):
    words = [sys.executable, str(ROOT / 'bullseye'), command, *arguments]
    return subprocess.run(words, input=text, capture_output=True, text=True, check=False, timeout=60)


@pytest.mark.command
def test_the_answer_holds_what_was_promised_and_obeys_its_schema():
    done = run_brief('--json', '-', text=json.dumps(request_data(weather={'wind_kt': 10, 'gust_kt': 16})))
    assert done.returncode == 0, done.stderr
    answer = json.loads(done.stdout)
    promised = [
        'headwind_kt',
        'crosswind_kt',
        'gust_headwind_kt',
        'gust_crosswind_kt',
        'pressure_altitude_ft',
        'density_altitude_ft',
        'approach_speed_kias',
        'approach_speed_steps',
        'touchdown_speed_kias',
        'box_ft',
        'roundout_start_ft',
        'roundout_height_ft',
        'float_ft',
        'float_s',
        'touchdown_minus_aim_ft',
        'aim_point_ft',
        'predicted_touchdown_ft',
        'hit_chance',
        'ft_per_kt_speed',
        'ft_per_kt_headwind',
        'go_around_point_ft',
        'cautions',
    ]
    assert not [name for name in promised if name not in answer]
    assert answer['headwind_kt'] == pytest.approx(10)
    schema = json.loads(run_brief('--schema').stdout)
    assert set(answer) == set(schema['answer']['properties'])
    assert 'aircraft' in schema['request']['required']


@pytest.mark.command
def test_many_lines_in_one_run_refuse_each_its_own():
    lines = [json.dumps(request_data()), '{', json.dumps(request_data(weight_lb=99_999)), json.dumps(request_data())]
    done = run_brief('--lines', '--json', '-', text='\n'.join(lines))
    answers = [json.loads(line) for line in done.stdout.splitlines()]
    assert [sorted(a)[0] if 'errors' in a else 'ok' for a in answers] == ['ok', 'errors', 'errors', 'ok']
    assert answers[2]['errors'] == {'weight_lb': 'Weight cannot be 99999 lb. Enter a value of at most 20000 lb.'}


@pytest.mark.command
def test_wrong_fields_are_named_a_line_each_without_a_traceback():
    bad = request_data(weather={'gust_kt': 3, 'wind_kt': 9}, runway={'course_deg_true': 400}, landing='splash')
    done = run_brief('--json', '-', text=json.dumps(bad))
    assert done.returncode == 2
    assert done.stdout == ''
    assert sorted(line.split(':')[0] for line in done.stderr.splitlines()) == [
        'landing',
        'runway.course_deg_true',
        'weather.gust_kt',
    ]
    assert 'Traceback' not in done.stderr


@pytest.mark.parametrize(
    ('changes', 'field', 'accepted'),
    [
        ({'weight_lb': -5}, 'weight_lb', 'above 0'),
        ({'weight_lb': 900}, 'weight_lb', 'between 1450 and 2400'),
        ({'weight_lb': math.nan}, 'weight_lb', 'Enter a number'),
        ({'weight_lb': math.inf}, 'weight_lb', 'Enter a number'),
        ({'weight_lb': '2000'}, 'weight_lb', 'a number'),
        ({'weight_lb': True}, 'weight_lb', 'a number'),
        ({'spot_ft': 2_790}, 'spot_ft', 'below 2790'),
        ({'landing': 'power_off'}, 'landing', 'US private sets no tolerance'),
        ({'approach_speed_kias': 30}, 'approach_speed_kias', 'at least 1.1 of the stalling speed'),
        ({'aircraft': 'Nimbus'}, 'aircraft', 'Marram 160'),
        ({'runway': {'displaced_threshold_ft': 3_000}}, 'runway.displaced_threshold_ft', 'less than the length'),
        ({'weather': {'wind_dir_deg_true': 10}}, 'weather.wind_dir_deg_mag', 'only one of'),
        ({'colour': 'red'}, 'colour', 'not a field'),
        ({'calibration': {'scatter_ft': 0}}, 'calibration.scatter_ft', 'above 0'),
    ],
)
def test_a_refusal_names_the_field_and_what_is_accepted(changes, field, accepted):
    with pytest.raises(RefusedRequest) as refusal:
        make_request(**changes)
    assert list(refusal.value.errors) == [field]
    assert accepted in refusal.value.errors[field]


def test_the_aim_point_puts_the_touchdown_in_the_middle_of_the_box():
    answer = briefed(spot_ft=700)
    assert answer.aim.box_ft == (700, 1_100)  # [pub] FAA-S-ACS-6, 0 to +400 ft; value from memory
    assert answer.touchdown.predicted_touchdown_ft == pytest.approx(900)
    assert answer.aim.aim_point_ft == pytest.approx(900 - answer.touchdown.touchdown_minus_aim_ft)
    assert answer.ground.roll_point_ft == pytest.approx(2_790 - 1.43 * answer.ground.ground_roll.expected_ft)
    # [com] the nearest of roll, climb and the first half
    assert (answer.ground.go_around_point_ft, answer.ground.go_around_by) == (1_395, 'half')
    solo = briefed(spot_ft=400, technique={'latest_touchdown': 'third'}).ground
    assert (solo.go_around_point_ft, solo.go_around_by) == (930, 'third')


@given(
    st.floats(0, 360), st.floats(0, 35), st.floats(0, 15), st.floats(-20, 45), st.floats(960, 1_050), st.floats(0, 1)
)
def test_any_weather_is_briefed_and_every_number_is_finite(direction, wind, spread, temperature, qnh, weight):
    answer = briefed(
        weather={
            'wind_dir_deg_mag': direction,
            'wind_kt': wind,
            'gust_kt': wind + spread,
            'temperature_c': temperature,
            'qnh_hpa': qnh,
        },
        weight_lb=1_450 + weight * 950,
    )
    assert json.dumps(
        [answer.aim.aim_point_ft, answer.touchdown.float_ft, answer.aim.hit_chance, answer.touchdown.predicted_band_ft],
        allow_nan=False,
    )
    assert 0 <= answer.aim.hit_chance <= 1
    # the best of those that may be flown: one that may not can hit more often
    assert answer.aim.best_hit_chance >= answer.aim.hit_chance or not answer.aim.aim_is_good
    assert answer.touchdown.predicted_band_ft[0] < answer.touchdown.predicted_band_ft[1]


def test_steady_wind_adds_nothing_and_adding_for_it_is_said_to_be_a_mistake():
    calm, windy = briefed(), briefed(weather={'wind_kt': 20})
    assert windy.speed.approach_speed_kias == calm.speed.approach_speed_kias
    added = briefed(weather={'wind_kt': 20}, approach_speed_kias=calm.speed.approach_speed_kias + 10)
    assert any('a steady wind adds nothing' in text for text in map(str, added.cautions))


def test_an_aim_before_the_threshold_is_never_called_good():
    short = briefed(spot_ft=0)
    assert short.aim.aim_point_ft < 0
    assert not short.aim.aim_is_good
    assert any('short of the landing threshold' in text for text in map(str, short.cautions))
    blocked = briefed(runway={'obstacle': {'height_ft': 60, 'before_threshold_ft': 500}})
    assert any('below the top of the 60 ft obstacle' in text for text in map(str, blocked.aim.aim_problems))
    said = next(text for text in map(str, blocked.aim.aim_problems) if 'One steady' in text)
    angle = float(said.split('One steady ')[1].split('°')[0])
    over_ft = math.tan(math.radians(angle)) * (blocked.aim.aim_point_ft + 500) - 7.5
    assert over_ft == pytest.approx(90, abs=2)  # the wheels over the obstacle and 30 ft, exact trigonometry
    hopeless = briefed(runway={'obstacle': {'height_ft': 300, 'before_threshold_ft': 500}})
    assert any('No steady angle' in text for text in map(str, hopeless.aim.aim_problems))


@pytest.mark.parametrize(
    ('changes', 'words'),
    [
        ({'weather': {'wind_dir_deg_mag': None, 'wind_kt': 5}}, 'its worst direction'),
        ({'weather': {'wind_dir_deg_mag': 230, 'wind_kt': 6}}, 'Tailwind 6 kt, gusts included'),
        ({'weather': {'wind_dir_deg_mag': 140, 'wind_kt': 18}}, 'Crosswind 18 kt is over the aircraft limit of 15 kt'),
        ({'weather': {'temperature_c': 45}}, 'above the table, which ends at 40'),
        ({'runway': {'surface': 'gravel'}}, 'no rule for a ground roll on gravel'),
        ({'runway': {'length_ft': 1_600}, 'spot_ft': 500}, 'beyond the last place from which the factored ground roll'),
        ({'runway': {'length_ft': 700}, 'spot_ft': 500}, 'too little runway for the factored ground roll'),
        ({'weather': {'wind_kt': 4, 'gust_kt': 22}}, 'our limit: rather wait'),
        ({'weather': {'wind_kt': 28}}, 'too much for a student alone'),
        ({'weather': {'wind_dir_deg_mag': 230, 'wind_kt': 8, 'gust_kt': 14}}, 'over the limit of 10 kt'),
    ],
)
def test_what_could_hurt_is_said_beside_the_numbers(changes, words):
    assert any(words in text for text in map(str, briefed(**changes).cautions))


def test_the_training_aid_and_the_gravest_caution_stand_first():
    many = briefed(weather={'wind_dir_deg_mag': 230, 'wind_kt': 12, 'gust_kt': 20}, spot_ft=300)
    severities = [one.severity for one in many.cautions]
    assert severities == sorted(severities, key=['stop', 'mind', 'know'].index)
    assert severities[0] == 'stop'
    assert 'A go-around is always a good answer' in str(many.training_aid)
    assert briefed().cautions == ()  # nothing that is always there


def test_an_unknown_ground_roll_is_unknown_and_not_zero():
    answer = briefed(weather={'temperature_c': 45})
    assert (answer.ground.ground_roll, answer.ground.roll_point_ft, answer.ground.box_fits) == (None, None, None)
    assert answer.ground.go_around_point_ft == 1_395  # what is known still holds: the first half


def test_a_variable_wind_is_unknown_and_widens_the_band():
    variable = briefed(weather={'wind_dir_deg_mag': None, 'wind_kt': 8})
    calm = briefed()
    assert variable.wind.headwind_kt is None
    assert variable.wind.crosswind_kt is None
    assert variable.aim.hit_chance < calm.aim.hit_chance


def test_the_corrections_of_the_ground_roll():
    # [com] -10 % per 9 kt of headwind, +10 % per 2 kt of tailwind, dry grass +45 %, 5 % per 1 % of slope
    base = briefed().ground.ground_roll.expected_ft
    assert briefed(weather={'wind_kt': 9}).ground.ground_roll.expected_ft == pytest.approx(0.9 * base)
    assert briefed(weather={'wind_kt': 4, 'wind_dir_deg_mag': 230.4}).ground.ground_roll.expected_ft == pytest.approx(
        1.2 * base
    )
    assert briefed(runway={'surface': 'grass'}).ground.ground_roll.expected_ft == pytest.approx(1.45 * base)
    # on a slope the longer of the rule and of mechanics: the brakes' mean deceleration with gravity along the slope
    speed_fps = landing_setup(make_request()).approach.touchdown_ktas * 6_076.12 / 3_600
    braking_fps2 = speed_fps**2 / (2 * base)
    for slope_pct in (2, -2, -4):
        sloping_ft = speed_fps**2 / (2 * (braking_fps2 + 32.174 * slope_pct / 100))
        found = briefed(runway={'slope_pct': slope_pct}).ground.ground_roll.expected_ft
        assert found == pytest.approx(max(sloping_ft, (1 - 0.05 * slope_pct) * base), rel=2e-3)
    # [pub] UK CAA Safety Sense leaflet on performance: wet paved +15 %, wet short grass up to +60 %; values from memory
    for surface, share in (('asphalt', 0.15), ('grass', 0.60)):
        wet = briefed(runway={'surface': surface}, surface_state='wet')
        assert wet.ground.ground_roll.expected_ft == pytest.approx((1 + share) * base)
    for state in ('long_grass', 'soft', 'snow_or_ice'):
        unknown = briefed(surface_state=state)
        assert unknown.ground.ground_roll is unknown.ground.box_fits is None
    # [pub] UK CAA Safety Sense leaflet on performance: x 1.43; value from memory
    assert briefed().ground.ground_roll.factored_ft == pytest.approx(1.43 * base)


def test_figures_that_nobody_entered_are_named_as_not_from_the_handbook():
    full = make_request()
    known = replace(full.aircraft, wing_height_ft=7.0, span_ft=34.0)
    assert make_brief(replace(full, aircraft=known)).basis.assumed == ()
    flaps = tuple(replace(flap, normal_approach_kias=None, idle_path_angle_deg=None) for flap in known.flaps)
    bare = replace(known, flaps=flaps, wing_height_ft=None, span_ft=None, demonstrated_crosswind_kt=None)
    said = ' '.join(map(str, make_brief(replace(full, aircraft=bare)).basis.assumed))
    for part in ('1.3 of the stall', 'glide with flap full', 'height of the wing', 'wing span', '0.2 of the stalling'):
        assert part in said


def test_a_pilot_who_has_been_slow_is_warned_with_what_is_left_over_the_stall():
    known = {'speed_habit_kt': -5.0, 'speed_habit_sd_kt': 1.0, 'laps': 6}
    slow, usual = briefed(calibration=known), briefed(calibration=known | {'speed_habit_kt': -1.0})
    margin = slow.speed.stall_margin_kt - 5
    said = [str(one) for one in slow.cautions if one.severity == 'mind']
    assert any(f'5 kt slower over the threshold than briefed: {margin:.0f} kt above' in one for one in said)
    assert not any('slower over the threshold' in str(one) for one in map(str, usual.cautions))
