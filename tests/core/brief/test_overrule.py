"""A number that the instructor sets holds, is said with its reason, and lets no red word disappear."""

import pytest

from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.request import RefusedRequest
from bullseye.core.brief.whole import Plan, make_parts
from tests.core.making import briefed, make_request


def overrule(number, value, reason='the overrun is paved and firm'):
    return {'number': number, 'value': value, 'reason': reason, 'by': 'Ada Instructor'}


def said(brief):
    return [str(one) for one in brief.cautions]


@pytest.mark.parametrize(
    ('number', 'value', 'words'),
    [
        ('approach_speed_kias', 71.0, 'Approach speed 71 kt, set by Ada Instructor: the overrun is paved and firm.'),
        ('aim_point_ft', 330.0, 'Aim point 330 ft, set by Ada Instructor: the overrun is paved and firm.'),
        ('go_around_point_ft', 1_050.0, 'Go-around point 1,050 ft, set by Ada Instructor'),
        ('landing_roll_ft', 2_100.0, 'Landing ground roll with its safety factor 2,100 ft'),
    ],
)
def test_what_the_instructor_sets_is_flown_and_said_with_its_reason(number, value, words):
    plain, brief = briefed(), briefed(overruled=[overrule(number, value)])
    found = {
        'approach_speed_kias': brief.speed.approach_speed_kias,
        'aim_point_ft': brief.aim.aim_point_ft,
        'go_around_point_ft': brief.ground.go_around_point_ft,
        'landing_roll_ft': 2_790 - brief.ground.roll_point_ft,
    }[number]
    assert found == value
    assert any(words in one for one in said(brief))
    assert not [one for one in said(plain) if 'set by' in one]
    if number == 'aim_point_ft':
        assert f'Worked out: {plain.aim.aim_point_ft:,.0f} ft.' in ' '.join(said(brief))
        assert brief.aim.is_set_by_instructor
    if number == 'landing_roll_ft':
        assert brief.ground.box_fits is False


def test_the_red_word_stays_and_plan_and_brief_say_the_same_number():
    request = make_request(spot_ft=360, overruled=[overrule('aim_point_ft', 40.0)])
    brief = make_brief(request)
    assert brief.aim.aim_point_ft == 40
    assert not brief.aim.aim_is_good
    assert any(one.severity == 'stop' for one in brief.cautions)
    # another spot or kind is worked out as if nothing had been set
    other = make_brief(request.elsewhere(spot_ft=800))
    assert other.aim.aim_point_ft == pytest.approx(briefed(spot_ft=800).aim.aim_point_ft)
    good = make_request(overruled=[overrule('aim_point_ft', 300.0)])
    laps = make_parts(good, Plan(), make_brief(good)).lap_plan.laps
    assert {lap.aim_point_ft for lap in laps if (lap.kind, lap.spot_ft) == ('normal', 600)} == {300.0}
    assert all(lap.aim_point_ft != 300 for lap in laps if lap.spot_ft not in (600, None))


def test_a_takeoff_distance_by_hand_counts_in_the_margin():
    request = make_request(overruled=[overrule('takeoff_over_50_ft', 2_900.0)])
    parts = make_parts(request, Plan())
    assert parts.takeoff.over_50_margin_ft == -110
    assert any('110 ft more than the runway has' in one for one in parts.takeoff.cautions)
    assert not [lap for lap in parts.lap_plan.laps if lap.spot_ft is not None]


@pytest.mark.parametrize(
    'wrong',
    [
        [overrule('aim_point_ft', 300.0, ' ')],
        [overrule('aim_point_ft', 300.0), overrule('aim_point_ft', 310.0)],
        [overrule('approach_speed_kias', 48.0)],  # below 1.1 times the stall nobody is briefed
        [overrule('landing_roll_ft', 3.0)],
        [overrule('bank_deg', 30.0)],
    ],
)
def test_no_reason_twice_the_same_or_below_the_stall_is_refused(wrong):
    with pytest.raises(RefusedRequest):
        make_request(overruled=wrong)


@pytest.mark.parametrize('spot_ft', [500.0, 600.0])
def test_no_lap_is_planned_beyond_roll_or_half_for_a_farther_place_to_go_around_by(spot_ft):
    plain = make_request(spot_ft=spot_ft)
    farther = make_request(spot_ft=spot_ft, overruled=[overrule('go_around_point_ft', 2_500.0)])
    most = [
        max(lap.spot_ft for lap in make_parts(one, Plan()).lap_plan.laps if lap.spot_ft is not None)
        for one in (plain, farther)
    ]
    assert most[1] == most[0] <= 2_790 / 2 - 400
    # a roll that the instructor knows to be longer binds every spot of the plan
    longer = make_request(spot_ft=spot_ft, overruled=[overrule('landing_roll_ft', 1_700.0)])
    spots = [lap.spot_ft for lap in make_parts(longer, Plan()).lap_plan.laps if lap.kind == 'normal']
    assert max(spots) <= 2_790 - 1_700 - 400 + 1e-6
