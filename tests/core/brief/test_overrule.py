"""A number that the instructor sets holds, is said with its reason, and lets no red word disappear."""

import pytest

from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.plan import Plan
from bullseye.core.brief.request import RefusedRequest
from bullseye.core.brief.whole import make_parts
from tests.core.making import briefed, make_request


def overrule(number, value, reason='the overrun is paved and firm'):
    return {'number': number, 'value': value, 'reason': reason, 'by': 'Ada Instructor'}


def said(brief):
    return [str(one) for one in map(str, brief.cautions)]


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
        assert f'Calculated: {round(plain.aim.aim_point_ft, -1):,.0f} ft.' in ' '.join(said(brief))
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


@pytest.mark.parametrize(
    ('number', 'value', 'field', 'ours'),
    [
        ('rotate_kias', 60.0, 'lift_off_speed_kias', '54 kt'),
        ('vx_kias', 70.0, 'vx_kias', '63 kt'),
        ('vy_kias', 80.0, 'vy_kias', '74 kt'),
        ('abort_point_ft', 1_100.0, 'abort_point_ft', '1,400 ft'),
        ('first_turn_height_ft', 450.0, 'first_turn_ft', '700 ft'),
    ],
)
def test_every_number_of_the_takeoff_can_be_set(number, value, field, ours):
    request = make_request(overruled=[overrule(number, value, 'it is hot and the trees are tall')])
    plain, found = make_parts(make_request(), Plan()).takeoff, make_parts(request, Plan()).takeoff
    elevation_ft = request.runway.elevation_ft if number == 'first_turn_height_ft' else 0.0
    assert getattr(found, field) == value + elevation_ft
    words = next(one for one in map(str, found.cautions) if 'set by' in one)
    assert 'set by Ada Instructor: it is hot and the trees are tall.' in words
    assert f'Calculated: {ours}.' in words
    if number == 'rotate_kias':  # the roll goes with the square of the speed
        assert found.ground_roll_ft == pytest.approx(
            plain.ground_roll_ft * (60 / plain.lift_off_speed_kias) ** 2, rel=1e-9
        )
        assert found.over_50_margin_ft < plain.over_50_margin_ft
        assert found.abort_speed_kias == pytest.approx(42)
    # what was set of the takeoff is no matter of the landing card, nor of another runway
    assert not [one for one in said(make_brief(request)) if 'set by' in one]


def test_leg_speeds_and_the_glide_can_be_set_and_never_near_the_stall():
    def parts(*numbers):
        return make_parts(make_request(overruled=[overrule(*one) for one in numbers]), Plan())

    set_both = parts(('base_kias', 78.0), ('downwind_kias', 88.0))
    assert {leg.leg: leg.kias for leg in set_both.pattern.legs}['base'] == 78
    assert {leg.leg: leg.kias for leg in set_both.pattern.legs}['downwind'] == 88
    assert 'Speed on base 78 kt, set by' in ' '.join(map(str, set_both.pattern.cautions))
    usual = {leg.leg: leg.kias for leg in parts().pattern.legs}
    told = ' '.join(map(str, set_both.pattern.cautions))
    for leg in ('downwind', 'base'):
        assert f'Calculated: {usual[leg]:.0f} kt.' in told
    slow = parts(('base_kias', 50.0))
    assert slow.pattern is None
    assert any('too near the stall' in one for one in map(str, slow.notes))
    plain, turned = parts().power_off, parts(('glide_turn_ft', 300.0), ('best_glide_kias', 74.0)).power_off
    assert (turned.turn_after_abeam_ft, turned.glide_kias) == (300, 74)
    assert f'Calculated: {round(plain.turn_after_abeam_ft, -1):,.0f} ft.' in ' '.join(map(str, turned.cautions))
    late = parts(('glide_turn_ft', 4_500.0))
    assert 'NOT REACHED' in ' '.join(map(str, (*late.notes, *(late.power_off.cautions if late.power_off else ()))))


def test_a_takeoff_distance_by_hand_counts_in_the_margin():
    request = make_request(overruled=[overrule('takeoff_over_50_ft', 2_900.0)])
    parts = make_parts(request, Plan())
    assert parts.takeoff.over_50_margin_ft == -110
    assert any('110 ft more than the runway has' in one for one in map(str, parts.takeoff.cautions))
    assert not [lap for lap in parts.lap_plan.laps if lap.spot_ft is not None]


@pytest.mark.parametrize(
    'wrong',
    [
        [overrule('aim_point_ft', 300.0, ' ')],
        [overrule('aim_point_ft', 300.0), overrule('aim_point_ft', 310.0)],
        [overrule('approach_speed_kias', 48.0)],  # below 1.1 times the stall nobody is briefed
        [overrule('landing_roll_ft', 3.0)],
        [overrule('go_around_point_ft', 2_790.0)],  # the end of the runway
        [overrule('abort_point_ft', 2_900.0)],
        [overrule('rotate_kias', 46.0)],  # below the stall with flap up
        [overrule('vx_kias', 52.0)],  # within a tenth of it
        [overrule('bank_deg', 30.0)],
    ],
)
def test_no_reason_twice_the_same_or_below_the_stall_is_refused(wrong):
    with pytest.raises(RefusedRequest):
        make_request(overruled=wrong)


@pytest.mark.parametrize('spot_ft', [500.0, 600.0])
def test_no_lap_is_planned_beyond_roll_or_half_for_a_farther_place_to_go_around_by(spot_ft):
    steady = {'bias_ft': 0, 'scatter_ft': 40, 'speed_habit_kt': 0, 'speed_scatter_kt': 1, 'laps': 9}
    plain = make_request(spot_ft=spot_ft, calibration=steady)
    set_point = [overrule('go_around_point_ft', 2_500.0)]
    farther = make_request(spot_ft=spot_ft, calibration=steady, overruled=set_point)
    most = [
        max(lap.spot_ft for lap in make_parts(one, Plan()).lap_plan.laps if lap.spot_ft is not None)
        for one in (plain, farther)
    ]
    assert most[1] == most[0] <= 2_790 / 2 - 400
    # a roll that the instructor knows to be longer binds every spot of the plan
    set_roll = [overrule('landing_roll_ft', 1_700.0)]
    longer = make_request(spot_ft=spot_ft, calibration=steady, overruled=set_roll)
    spots = [lap.spot_ft for lap in make_parts(longer, Plan()).lap_plan.laps if lap.kind == 'normal']
    assert max(spots) <= 2_790 - 1_700 - 400 + 1e-6
