"""Number two: how far to stretch downwind, what a small gap asks for, and a parallel runway."""

import pytest

from bullseye.core.basis.constants import FPS_PER_KT, FT_PER_NM
from bullseye.core.fly.cards import all_cards, card_of
from bullseye.core.fly.traffic import extension_s, number_two, parallel_words
from bullseye.core.given.technique import Technique
from bullseye.demo.fleet import AIRCRAFT


def test_downwind_is_flown_on_until_the_one_ahead_is_abeam():
    # by hand: 1.3 nm and 700 ft apart, closing at 54 + 88 kt; less the 20 s that the usual base turn comes after abeam
    apart_nm = 1.3 + 700 / FT_PER_NM
    stretched_s = extension_s(
        ahead_final_nm=1.3, ahead_kt=54.0, downwind_kt=88.0, spot_ft=700.0, base_turn_after_abeam_s=20.0
    )
    assert stretched_s == pytest.approx(apart_nm / (54 + 88) * 3_600 - 20, abs=0.01)
    near_s = extension_s(ahead_final_nm=0.2, ahead_kt=54, downwind_kt=88, spot_ft=700, base_turn_after_abeam_s=20)
    assert near_s == 0.0


def behind(**changes):
    given = {
        'extend_s': 12.0,
        'downwind_kt': 88.0,
        'final_ft': 6_000.0,
        'tpa_ft': 900.0,
        'path_angle_deg': 3.0,
        'aim_ft': 500.0,
        'from_abeam_s': 110.0,
        'ahead_final_nm': 1.0,
        'ahead_kt': 60.0,
        'final_kt': 64.0,
    }
    return number_two(**(given | changes))


@pytest.mark.parametrize(
    ('from_abeam_s', 'severity', 'is_offered'),
    # the one ahead needs 60 s for its mile and 500 ft / 60 kt = 4.9 s for the rest; red below 30 s, caution below 60
    [(126.0, None, True), (124.0, 'mind', True), (96.0, 'mind', True), (94.0, 'stop', True), (60.0, 'stop', False)],
)
def test_what_a_gap_asks_for(from_abeam_s, severity, is_offered):
    found = behind(from_abeam_s=from_abeam_s)
    assert (found.caution and found.caution.severity) == severity
    assert found.is_offered is is_offered
    ahead_s = (FT_PER_NM + 500) / (60 * FPS_PER_KT)
    assert found.gap_s == (pytest.approx(from_abeam_s - ahead_s, abs=0.01) if is_offered else None)


def test_the_second_that_is_missing_is_flown_on_downwind():
    # 20 s of gap, 60 are good: each second on gains 1 + 88/64 s
    ahead_s = (FT_PER_NM + 500) / (60 * FPS_PER_KT)
    found = behind(from_abeam_s=ahead_s + 20.0)
    on_s = 12 + (60 - 20) / (1 + 88 / 64)
    assert f'{on_s:.0f} s' in str(found.caution)


def test_a_parallel_runway_lies_on_its_side():
    assert parallel_words(ident='23', others=('23L', '05'), side='left') is None
    assert parallel_words(ident='23L', others=('23L', '05R'), side='left') is None
    right = str(parallel_words(ident='23L', others=('23R', '18'), side='left'))
    assert '23R' in right
    assert 'right' in right
    middle = str(parallel_words(ident='23C', others=('23R', '23L'), side='left'))
    assert middle.index('23L') < middle.index('23R')


def test_only_an_aircraft_with_flap_is_told_about_it_on_the_roll():
    technique = Technique()
    said = {name: str(card_of('short_field', technique, AIRCRAFT[name]).steps[-1]) for name in AIRCRAFT}
    assert 'Hands off the levers' in said['Marram 160']
    assert 'levers' not in said['Bramble 90T']
    assert 'Hands off the levers' in str(card_of('short_field', technique).steps[-1])
    folding = card_of('short_field', Technique(rollout_flap='flap_up'), AIRCRAFT['Sorrel 200R'])
    assert 'Flap up' not in str(folding.steps[-1])
    assert len(all_cards(technique)) > len(all_cards(technique, AIRCRAFT['Bramble 90T']))
