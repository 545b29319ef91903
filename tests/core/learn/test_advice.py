import dataclasses
import json

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.request import RefusedRequest
from bullseye.core.brief.setup import landing_setup
from bullseye.core.learn.advice import advise, parse_advice_request
from bullseye.core.model.touchdown import predict
from bullseye.demo.fleet import AIRCRAFT
from tests.core.brief.test_landing import run_brief
from tests.core.making import make_request, request_data


def advice(*laps, **more):
    beside = ('aim_step_ft', 'population')
    data = request_data(**{k: v for k, v in more.items() if k not in beside}) | {'laps': list(laps)}
    data |= {k: v for k, v in more.items() if k in beside}
    return advise(parse_advice_request(data, aircraft_by_name=AIRCRAFT))


def lap(touchdown_ft, *, aim_ft=400.0, **more):
    return {'aim_ft': aim_ft, 'touchdown_ft': touchdown_ft} | more


def fly(rng, *, deceleration, bias, scatter, count=12):
    """Laps of a simulated pilot of known habit in an aircraft of known deceleration, as an instructor would note them."""
    request = make_request()
    made = landing_setup(request)
    speed = make_brief(request).speed.approach_speed_kias
    for _ in range(count):
        off_kt, head_kt = 3 * rng.normal(), 4 + 3 * rng.random()
        flown = dataclasses.replace(
            made.approach,
            speed_ktas=made.approach.speed_ktas + off_kt,
            headwind_kt=head_kt,
            deceleration_fps2=deceleration,
        )
        touch = predict(flown)
        yield lap(
            400 + touch.touchdown_ft + bias + scatter * rng.normal(),
            threshold_speed_kias=speed + off_kt,
            headwind_kt=head_kt,
            float_s=max(0.0, touch.float_s + 0.3 * rng.normal()),
        )


def test_without_laps_it_is_the_brief():
    found, brief = advice(), make_brief(make_request())
    assert found.next_aim_ft == pytest.approx(brief.aim.recommended_aim_point_ft, abs=0.05)
    assert (found.calibration.laps_used, found.split_ft, found.error_ft) == (0, None, None)
    assert 'no lap flown yet' in str(found.sentence)


@pytest.mark.parametrize('scatter', [40, 90, 140])
def test_simulated_pilots_are_recovered_within_the_stated_interval(scatter):
    inside_a = inside_bias = 0
    for seed in range(60):
        rng = np.random.default_rng(1_000 * scatter + seed)
        a, bias = rng.uniform(2.6, 3.9), rng.uniform(-150, 200)
        known = advice(*fly(rng, deceleration=a, bias=bias, scatter=scatter)).calibration
        inside_a += known.deceleration_low <= a <= known.deceleration_high
        inside_bias += known.bias_low <= bias <= known.bias_high
    assert inside_a >= 54  # 19 of 20 in the long run; of 60 the 5th percentile of a binomial is 54
    assert inside_bias >= 54


def test_the_aim_moves_back_for_a_pilot_who_is_always_long():
    rng = np.random.default_rng(4)
    paved = {'displaced_threshold_ft': 180}  # so that an aim so far back has runway under it
    found = advice(*fly(rng, deceleration=3.2, bias=180, scatter=40), aim_step_ft=1_000, runway=paved)
    usual = make_brief(make_request(runway=paved)).aim.recommended_aim_point_ft
    assert usual - 300 < found.next_aim_ft < usual - 80
    assert found.predicted_touchdown_ft == pytest.approx(800)
    assert str(found.sentence).startswith('Steadily')
    assert f'Aim at {round(found.next_aim_ft, -1):.0f} ft' in str(found.sentence)


def test_one_lap_teaches_no_more_than_its_step_wherever_it_was_aimed():
    first = advice(spot_ft=1_000).next_aim_ft
    for step_ft, laps in ((80, 1), (80, 2), (35, 3)):
        far = [lap(1_800) for _ in range(laps)]
        found = advice(*far, spot_ft=1_000, aim_step_ft=step_ft)
        assert found.next_aim_ft == pytest.approx(first - step_ft * laps)
        assert found.wanted_aim_ft < found.next_aim_ft
        # the same miss from an aim flown elsewhere teaches the same: it does not move towards the mistake
        elsewhere = [lap(1_800 + 250, aim_ft=400 + 250) for _ in range(laps)]
        assert advice(*elsewhere, spot_ft=1_000, aim_step_ft=step_ft).next_aim_ft == pytest.approx(found.next_aim_ft)
    # another spot carries what was learned along, and no more
    moved = advice(lap(1_800), spot_ft=1_300, aim_step_ft=80)
    assert moved.next_aim_ft == pytest.approx(first + 300 - 80)


def test_landings_that_were_dropped_in_ask_for_another_roundout_and_move_no_aim():
    speed = make_brief(make_request()).speed.approach_speed_kias
    short = {'threshold_speed_kias': speed, 'float_s': 1.5}
    first = advice(spot_ft=1_000).next_aim_ft
    laps = [lap(920, aim_ft=840, **short) for _ in range(4)]
    plain = advice(*laps, spot_ft=1_000)
    marked = advice(*[one | {'marks': ['dropped_in']} for one in laps], spot_ft=1_000)
    assert abs(plain.next_aim_ft - first) > 50
    assert marked.next_aim_ft == pytest.approx(first)
    assert 'Rounded out too high or dropped in on 4 of 4 landings' in str(marked.sentence)
    # what is forecast of the pilot has learned from them all the same
    assert marked.calibration == plain.calibration


def test_an_aim_that_is_not_good_is_never_advised():
    found = advice(*[lap(1_500) for _ in range(6)], aim_step_ft=80)
    assert not found.aim_is_good
    assert 'Aim at' not in str(found.sentence)
    assert 'No aim point is good.' in str(found.sentence)


def test_what_is_believed_already_and_what_the_school_is_like_count():
    known = {'bias_ft': 160, 'bias_sd_ft': 20, 'scatter_ft': 50, 'scatter_spread': 0.2, 'deceleration_fps2': 3.0}
    usual, given = advice(lap(900), spot_ft=1_000), advice(lap(900), spot_ft=1_000, calibration=known)
    assert given.calibration.bias_ft == pytest.approx(160, abs=25)
    assert given.calibration.scatter_ft < 60 < usual.calibration.scatter_ft
    school = {'bias_ft': 90, 'bias_sd_ft': 30, 'scatter_ft': 60, 'scatter_spread': 0.25, 'pilots': 30}
    of_school = advice(spot_ft=1_000, population=school)
    assert of_school.calibration.bias_ft == pytest.approx(90, abs=1)
    assert of_school.next_aim_ft == pytest.approx(advice(spot_ft=1_000).next_aim_ft - 90, abs=15)


@pytest.mark.parametrize('wild_ft', [400, 900, 2_000])
def test_one_wild_lap_moves_the_advice_by_less_than_a_third_of_its_error(wild_ft):
    rng = np.random.default_rng(6)
    laps = list(fly(rng, deceleration=3.2, bias=20, scatter=50, count=6))
    calm = advice(*laps, aim_step_ft=2_000)
    for at in (2, 5):
        changed = [dict(one) for one in laps]
        changed[at]['touchdown_ft'] = min(2_700, changed[at]['touchdown_ft'] + wild_ft)
        error_ft = changed[at]['touchdown_ft'] - laps[at]['touchdown_ft']
        assert abs(advice(*changed, aim_step_ft=2_000).wanted_aim_ft - calm.wanted_aim_ft) < error_ft / 3


def test_a_special_lap_and_a_go_around_for_other_reasons_teach_nothing():
    laps = [lap(820), lap(790), lap(830)]
    usual = advice(*laps).calibration
    assert advice(*laps, lap(2_000, exclude=True)).calibration == usual
    gone = advice(*laps, lap(None))
    assert gone.calibration == usual
    assert gone.split_ft is None
    # another kind of landing has a bias of its own, of which this one learns a little while it is little known
    wanted_ft = [advice(*flown).wanted_aim_ft for flown in (laps, [*laps, lap(1_500, landing='short_field')])]
    assert abs(wanted_ft[1] - wanted_ft[0]) < 60  # whether it was fast or held off long is left open by it
    assert advice(*laps, lap(1_500, landing='short_field')).calibration.laps_used == 3


def test_a_go_around_that_was_going_to_be_long_teaches_that_it_was_long():
    laps = [lap(820), lap(790)]
    usual = advice(*laps)
    long, short = (advice(*laps, *[lap(None, going=side)] * 3) for side in ('long', 'short'))
    assert short.calibration.bias_ft + 15 < usual.calibration.bias_ft < long.calibration.bias_ft - 15
    assert long.next_aim_ft < usual.next_aim_ft < short.next_aim_ft
    assert long.calibration.laps_used == 2  # that were landed


@given(
    st.lists(st.floats(200, 1_800), min_size=1, max_size=6), st.one_of(st.none(), st.floats(52, 75)), st.floats(0, 700)
)
def test_the_split_of_the_last_lap_adds_up(touchdowns, speed, aim_ft):
    laps = [lap(t) for t in touchdowns[:-1]]
    found = advice(*laps, lap(touchdowns[-1], aim_ft=aim_ft, threshold_speed_kias=speed, headwind_kt=3.0))
    parts = [feet for feet in dataclasses.asdict(found.split_ft).values() if feet is not None]
    assert sum(parts) == pytest.approx(found.error_ft) == pytest.approx(touchdowns[-1] - 800)
    assert (
        found.calibration.deceleration_low < found.calibration.deceleration_fps2 < found.calibration.deceleration_high
    )


@pytest.mark.parametrize(
    ('more', 'fields'),
    [
        ({'laps': 7}, ['laps']),
        ({'laps': [{'touchdown_ft': 800}]}, ['laps.0.aim_ft']),
        ({'laps': [lap(800), lap(800, float_s=-1)]}, ['laps.1.float_s']),
        ({'laps': [lap(float('nan'))]}, ['laps.0.touchdown_ft']),
        ({'laps': [lap(800, colour='red')]}, ['laps.0.colour']),
        ({'aim_step_ft': 0}, ['aim_step_ft']),
        ({'weight_lb': -5, 'laps': [lap('far')]}, ['laps.0.touchdown_ft', 'weight_lb']),
    ],
)
def test_every_wrong_field_is_named(more, fields):
    with pytest.raises(RefusedRequest) as refusal:
        parse_advice_request(request_data() | more, aircraft_by_name=AIRCRAFT)
    assert sorted(refusal.value.errors) == fields


@pytest.mark.command
def test_the_command_line_advises_and_describes_itself():
    lines = [json.dumps(request_data() | {'laps': [lap(900), lap(930)]}), json.dumps(request_data() | {'laps': 'none'})]
    done = run_brief('--lines', '--json', '-', text='\n'.join(lines), command='advise')
    answer, refused = (json.loads(line) for line in done.stdout.splitlines())
    assert list(refused['errors']) == ['laps']
    promised = {'calibration', 'next_aim_ft', 'next_speed_kias', 'hit_chance', 'split_ft', 'sentence'}
    assert promised <= set(answer)
    assert set(answer['split_ft']) == {'aim', 'speed', 'wind', 'roundout', 'hold_off'}
    schema = json.loads(run_brief('--schema', command='advise').stdout)
    assert set(answer) == set(schema['answer']['properties'])
    assert 'laps' in schema['request']['properties']
    bad = run_brief('--json', '-', text='{', command='advise')
    assert (bad.returncode, bad.stdout) == (2, '')
