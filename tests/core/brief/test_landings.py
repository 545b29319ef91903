"""Every landing kind: what it changes, its card, and the schools of thought behind them."""

import math
import re
from dataclasses import fields, replace
from typing import get_args

import pytest

from bullseye.core.basis.constants import SLIP_PATH_DEG
from bullseye.core.basis.kinds import TAILWHEEL_ONLY, ExerciseKind, LandingKind
from bullseye.core.brief.plan import Plan
from bullseye.core.brief.request import RefusedRequest
from bullseye.core.brief.whole import make_parts
from bullseye.core.fly.cards import all_cards, card_of
from bullseye.core.given import disputes as schools
from bullseye.core.given.aircraft import Particulars
from bullseye.core.given.technique import Technique, usual_flap
from bullseye.core.model.crosswind import crab_deg, crosswind_hands, wing_down_deg
from bullseye.demo.fleet import AIRCRAFT, MARRAM_160
from tests.core.making import briefed, make_request

NAMES = [flap.name for flap in MARRAM_160.flaps]


@pytest.mark.parametrize('kind', get_args(LandingKind))
def test_every_landing_can_be_briefed_with_a_card_of_its_own(kind):
    aircraft = {'aircraft': 'Bramble 90T', 'weight_lb': 1_250} if kind in TAILWHEEL_ONLY else {}
    brief = briefed(landing=kind, standard='us_commercial', spot_ft=900, **aircraft)
    assert brief.card.kind == kind
    assert brief.aim.box_ft[0] == 900
    assert brief.touchdown.predicted_touchdown_ft == pytest.approx(brief.aim.target_ft)
    assert 0 < brief.touchdown.float_ft < 1_500


def test_without_flap_it_is_faster_and_floats_longer():
    with_flap, without = briefed(), briefed(landing='no_flap')
    assert without.speed.flap == NAMES[0]
    assert without.speed.approach_speed_kias > with_flap.speed.approach_speed_kias + 5
    assert without.touchdown.float_ft > 1.25 * with_flap.touchdown.float_ft


def test_a_landing_without_flap_refuses_flap():
    with pytest.raises(RefusedRequest, match='for a landing without flap'):
        make_request(landing='no_flap', flap='full')


def test_power_through_a_soft_touchdown_makes_the_float_longer():
    longer = briefed(landing='soft_field').touchdown.float_s / briefed().touchdown.float_s
    assert 1 / 0.75 < longer < 1.6  # less is lost in the roundout too


def test_a_forward_slip_is_an_idle_glide_made_steeper():
    slip = briefed(landing='forward_slip', spot_ft=900)
    assert slip.speed.path_angle_deg == pytest.approx(MARRAM_160.flaps[0].idle_path_angle_deg + SLIP_PATH_DEG)
    assert slip.speed.descent_rate_fpm > 2 * briefed(spot_ft=900).speed.descent_rate_fpm


def test_a_crosswind_landing_is_judged_as_a_normal_one():  # [pub: FAA-S-ACS-6, one task for both, value from memory]
    assert briefed(landing='crosswind').aim.box_ft == briefed().aim.box_ft


@pytest.mark.parametrize(
    ('kind', 'flap_choice', 'flap'),
    [
        ('normal', 'reduced', 'full'),
        ('crosswind', 'full', 'full'),
        ('crosswind', 'reduced', 'half'),
        ('no_flap', 'full', 'up'),
        ('forward_slip', 'full', 'up'),
        ('short_field', 'reduced', 'full'),
    ],
)
def test_the_usual_flap_of_a_landing(kind, flap_choice, flap):
    assert usual_flap(['up', 'half', 'full'], kind, Technique(crosswind_flap=flap_choice)) == flap
    assert usual_flap(['only'], kind, Technique(crosswind_flap=flap_choice)) == 'only'


# crosswind


@pytest.mark.parametrize('degrees', [5, 10, 20])
def test_crab_is_the_sine_of_the_wind_triangle(degrees):  # exact trigonometry
    crosswind = 70 * math.sin(math.radians(degrees))
    assert crab_deg(crosswind_kt=crosswind, true_airspeed_kt=70) == pytest.approx(degrees)
    assert crab_deg(crosswind_kt=-crosswind, true_airspeed_kt=70) == pytest.approx(-degrees)


def test_wing_down_grows_with_the_slip_and_stays_moderate():
    angles = [wing_down_deg(sideslip_deg=slip) for slip in (0, 5, 10, 15)]
    assert angles == sorted(angles)
    assert angles[0] == 0
    assert 3 < angles[2] < 6  # [com] four or five degrees of bank hold ten of slip in a light single


def hands(crosswind, **more):
    given = {'approach_ktas': 65, 'touchdown_ktas': 52, 'limit_kt': 15, 'limit_source': 'demonstrated'}
    return crosswind_hands(crosswind_kt=crosswind, **given | more)


def test_at_the_limit_the_rudder_is_just_known_to_hold():
    assert hands(15).rudder_share == pytest.approx(1)
    assert hands(-15).rudder_share == pytest.approx(1)
    assert hands(7.5).rudder_share < 0.51
    assert 'go around' in str(hands(7.5).words)


def test_over_the_limit_is_said_and_still_worked_out():
    over = hands(20)
    assert over.rudder_share > 1
    assert 'More than the limit' in str(over.words)
    assert 'leave' in str(over.words)


@pytest.mark.parametrize(('crosswind', 'into', 'foot'), [(8, 'right', 'left'), (-8, 'left', 'right')])
def test_the_wing_goes_into_the_wind_and_the_foot_away_from_it(crosswind, into, foot):
    words = str(hands(crosswind).words)
    assert f'{into} wing' in words
    assert f'{foot} rudder' in words


@pytest.mark.parametrize('crosswind', [None, 0.0, 0.9])
def test_no_crosswind_asks_for_nothing(crosswind):
    assert hands(crosswind) is None


def test_the_gust_decides_what_the_hands_are_told():
    steady = briefed(weather={'wind_dir_deg_mag': 110.4, 'wind_kt': 8})
    gusting = briefed(weather={'wind_dir_deg_mag': 110.4, 'wind_kt': 8, 'gust_kt': 18})
    assert gusting.wind.crosswind.crosswind_kt == pytest.approx(steady.wind.crosswind.crosswind_kt * 18 / 8)
    assert any('More than the limit' in text for text in map(str, gusting.cautions))


# cards


def test_there_is_a_card_for_every_exercise_and_each_is_whole():
    cards = all_cards(Technique())
    assert [card.kind for card in cards] == sorted({*get_args(ExerciseKind)}, key=[c.kind for c in cards].index)
    for card in cards:
        assert len(card.steps) >= 3
        assert len(set(card.mistakes)) == 3
        assert str(card.look)
        assert str(card.go_around)
        assert card == card_of(card.kind, Technique())


@pytest.mark.parametrize(
    ('kind', 'choice', 'words'),
    [
        ('normal', {'roundout_order': 'idle_shift_flare'}, 'Idle first'),
        ('normal', {'pitch_power': 'pitch_for_aim'}, 'Pitch holds the aim point'),
        ('normal', {'pitch_power': 'fixed_power'}, 'power only late'),
        ('normal', {'speed_reference': 'angle_of_attack'}, 'angle of attack'),
        ('normal', {'stabilised_by_ft': '500'}, 'by 500 ft'),
        ('crosswind', {'crosswind_method': 'wing_low'}, 'from short final'),
        ('crosswind', {'crosswind_method': 'crab_then_straighten'}, 'in the flare straighten'),
        ('short_field', {'rollout_flap': 'flap_up'}, 'say the lever aloud'),
        ('power_off', {'power_off_shape': 'squared'}, 'base leg'),
    ],
)
def test_a_card_follows_the_technique(kind, choice, words):
    assert any(words in str(step) for step in card_of(kind, replace(Technique(), **choice)).steps)
    assert not any(words in str(step) for step in card_of(kind, Technique()).steps)


def test_no_card_tells_anybody_to_save_a_landing_by_pushing():
    for card in all_cards(Technique()):
        said = ' '.join(map(str, card.steps)).lower()
        assert 'push forward' not in said
        assert 'forward pressure' not in said


# schools of thought


def test_every_choice_of_a_technique_is_explained_and_no_other():
    assert {one.field for one in schools.DISPUTES} == {field.name for field in fields(Technique)}


@pytest.mark.parametrize('dispute', schools.DISPUTES, ids=lambda one: one.field)
def test_a_dispute_names_all_its_ways_and_argues_for_the_default(dispute):
    values = [way.value for way in dispute.ways]
    assert len(values) == len(set(values)) >= 2
    assert dispute.default in values
    for value in values:  # each can be chosen, and nothing else
        assert getattr(replace(Technique(), **{dispute.field: value}), dispute.field) == value
    assert len(str(dispute.why)) > 40
    assert all(str(way.suits) and str(way.costs) for way in dispute.ways)


@pytest.mark.parametrize('dispute', schools.DISPUTES, ids=lambda one: one.field)
def test_a_request_refuses_a_choice_that_is_not_one(dispute):
    with pytest.raises(RefusedRequest) as refusal:
        make_request(technique={dispute.field: 'whatever'})
    assert f'technique.{dispute.field}' in refusal.value.errors


def test_the_flap_lever_on_the_rollout_warns_in_a_retractable_only():
    lever = Technique(rollout_flap='flap_up')
    retractable = next(one for one in AIRCRAFT.values() if one.is_retractable)
    assert any('folded' in str(text) for text in schools.unsafe_combinations(lever, retractable))
    assert schools.unsafe_combinations(lever, MARRAM_160) == ()
    assert schools.unsafe_combinations(Technique(), retractable) == ()


@pytest.mark.parametrize(
    ('choices', 'words'),
    [
        ({'gust_allowance': 'none', 'base_speed': 'rule'}, 'lull'),
        ({'aim_target': 'on_the_line', 'aim_distance': 'fixed'}, 'short is a fail'),
        ({'pitch_power': 'pitch_for_aim', 'aim_distance': 'fixed'}, 'low speed'),
        ({'roundout_order': 'idle_shift_flare', 'base_speed': 'rule'}, 'sinks'),
        ({'stabilised_by_ft': '200', 'pitch_power': 'fixed_power'}, 'higher gate'),
    ],
)
def test_unsafe_combinations_stand_among_the_cautions_of_a_brief(choices, words):
    assert any(words in text for text in map(str, briefed(technique=choices).cautions))
    for field, value in choices.items():  # one alone is a matter of taste
        assert not any(words in text for text in map(str, briefed(technique={field: value}).cautions))


def test_aiming_by_rule_of_thumb_follows_the_rule_not_the_laps():
    fixed = briefed(technique={'aim_distance': 'fixed'})
    assert fixed.aim.recommended_aim_point_ft == pytest.approx(600 - 200)
    calm = briefed(technique={'aim_distance': 'before_300_500'})
    windy = briefed(technique={'aim_distance': 'before_300_500'}, weather={'wind_kt': 20})
    assert calm.aim.aim_point_ft == pytest.approx(100)
    assert windy.aim.aim_point_ft == pytest.approx(300)
    # the model still says where that will end
    assert fixed.touchdown.predicted_touchdown_ft == pytest.approx(
        fixed.aim.aim_point_ft + briefed().touchdown.touchdown_minus_aim_ft
    )


def test_aiming_for_the_line_moves_the_target_and_costs_chance():
    middle, line = briefed(), briefed(technique={'aim_target': 'on_the_line'})
    assert line.aim.target_ft == 600
    assert middle.aim.target_ft == 800
    assert line.aim.hit_chance < middle.aim.hit_chance - 0.05


def test_the_rule_speed_takes_the_place_of_the_printed_one():
    rule = briefed(technique={'base_speed': 'rule'})
    assert rule.speed.approach_speed_kias == pytest.approx(MARRAM_160.flaps[-1].rule_approach_kias)
    assert 'technique setting' in str(rule.speed.approach_speed_steps[0].reason)


@pytest.mark.parametrize(
    ('elevation', 'temperature', 'words'), [(38, 15, 'nothing to allow'), (38, -30, 'less ground')]
)
def test_the_air_in_plain_words(elevation, temperature, words):
    assert words in str(
        briefed(runway={'elevation_ft': elevation}, weather={'temperature_c': temperature}).wind.air_words
    )


def test_the_air_at_five_thousand_feet():  # [pub: U.S. Standard Atmosphere 1976: density ratio 0.8617]
    brief = briefed(runway={'elevation_ft': 5_000}, weather={'temperature_c': 5.1, 'qnh_hpa': 1013.25})
    assert '5,000 ft' in str(brief.wind.air_words)
    assert f'{(1 / math.sqrt(0.8617) - 1) * 100:.0f} % faster' in str(brief.wind.air_words)
    assert f'{(1 / 0.8617 - 1) * 100:.0f} % longer' in str(brief.wind.air_words)


BRAMBLE = {'aircraft': 'Bramble 90T', 'weight_lb': 1_250, 'spot_ft': 700}


def _words(card):
    return ' '.join(map(str, (card.different, *card.steps, card.look, *card.mistakes, card.go_around)))


@pytest.mark.parametrize('technique', [Technique(), Technique(rollout_flap='flap_up', crosswind_flap='reduced')])
def test_no_card_names_a_lever_or_a_wheel_that_the_aircraft_does_not_have(technique):
    bramble, marram, sorrel = (AIRCRAFT[name] for name in ('Bramble 90T', 'Marram 160', 'Sorrel 200R'))
    for card in all_cards(technique, bramble):
        assert not re.search('flap|nosewheel|nose falls|gear|propeller', _words(card), re.I), card.kind
        assert '{' not in _words(card)
    kinds = {card.kind for card in all_cards(technique, bramble)}
    assert {'three_point', 'wheel_landing'} <= kinds
    assert 'no_flap' not in kinds
    assert not {'three_point', 'wheel_landing'} & {card.kind for card in all_cards(technique, marram)}
    go_around = {one.name: _words(card_of('go_around', technique, one)) for one in (bramble, marram, sorrel)}
    assert 'carburettor heat cold' in go_around['Marram 160']
    assert 'carburettor' not in go_around['Sorrel 200R']
    normal = _words(card_of('normal', technique, sorrel))
    assert 'Gear down below 125 kt' in normal
    assert 'Propeller lever forward' in normal
    assert 'Nosewheel down last' in normal
    for flow in bramble.flows:
        assert not any('flap' in item for item in flow.items)


def test_particulars_that_the_school_entered_stand_on_the_card():
    about = Particulars(slats_out_kias=49, angle_of_attack_target='upper edge of the green')
    flaps = (*MARRAM_160.flaps[:-1], replace(MARRAM_160.flaps[-1], windscreen_mark='a fist above the coaming'))
    aircraft = replace(MARRAM_160, particulars=about, flaps=flaps)
    words = _words(card_of('normal', Technique(), aircraft, flap=flaps[-1]))
    for part in (
        'slats come out at 49 kt',
        'Angle of attack on final: upper edge of the green',
        'a fist above the coaming',
    ):
        assert part in words
    # whether it has carburettor heat is not known: it is not claimed
    assert 'where it is fitted' in _words(card_of('go_around', Technique(), aircraft))


def test_a_wheel_landing_is_faster_and_longer_than_one_on_three_points():
    three, wheel = (briefed(landing=kind, **BRAMBLE) for kind in ('three_point', 'wheel_landing'))
    table = AIRCRAFT['Bramble 90T'].flaps[0].airspeed_table
    kcas = [table.calibrated_kt(one.speed.touchdown_speed_kias) for one in (three, wheel)]
    stall_kcas = 38 * math.sqrt(1_250 / 1_350)
    assert kcas[0] == pytest.approx(1.02 * stall_kcas)
    assert kcas[1] == pytest.approx(1.05 * stall_kcas + 10, abs=1.5)  # [com] about 10 kt faster
    assert wheel.ground.ground_roll.expected_ft == pytest.approx(
        three.ground.ground_roll.expected_ft * (kcas[1] / kcas[0]) ** 2
    )
    soft = briefed(landing='wheel_landing', surface_state='soft', **BRAMBLE)
    assert any('not made on soft ground' in str(one) for one in soft.cautions if one.severity == 'stop')
    with pytest.raises(RefusedRequest, match='tailwheel'):
        make_request(landing='three_point')


def test_gear_and_flap_limits_are_kept_on_every_leg():
    sorrel = AIRCRAFT['Sorrel 200R']
    slow_gear = replace(sorrel, particulars=replace(sorrel.particulars, gear_limit_kias=90))
    flaps = (sorrel.flaps[0], replace(sorrel.flaps[1], limit_kias=75))
    request = make_request(aircraft=replace(slow_gear, flaps=flaps), weight_lb=2_700, spot_ft=900)
    said = ' '.join(map(str, make_parts(request, Plan()).pattern.cautions))
    assert '95 kt on downwind is over the gear limit of 90 kt' in said
    assert 'on base is over the limit of 75 kt with flap full' in said
    plain = make_parts(make_request(aircraft='Sorrel 200R', weight_lb=2_700, spot_ft=900), Plan())
    assert not any('over the' in one and 'limit' in one for one in map(str, plain.pattern.cautions))
