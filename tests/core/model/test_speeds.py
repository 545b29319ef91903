import dataclasses
import math

import pytest

from bullseye.core.basis.errors import InvalidInput, OutsideTable
from bullseye.core.given.aircraft import AirspeedTable, FlapSetting
from bullseye.core.given.technique import Technique
from bullseye.core.model.speeds import approach_speed, touchdown_speed_kcas
from bullseye.demo.fleet import MARRAM_160

EXACT = AirspeedTable(ias_kt=(30, 120), cas_kt=(30, 120))


def speed(*, gust_spread_kt=0.0, weight_lb=2_400, technique=None, **flap):
    setting = FlapSetting(**({'name': 'full', 'stall_kcas': 50, 'airspeed_table': EXACT} | flap))
    return approach_speed(
        aircraft=dataclasses.replace(MARRAM_160, flaps=(setting,)),
        flap=setting,
        kind='normal',
        weight_lb=weight_lb,
        gust_spread_kt=gust_spread_kt,
        technique=technique or Technique(),
    )


def test_half_the_gust_spread_is_added():
    # [pub] FAA-H-8083-3, turbulent air approach: 70 kt, with gusts 15 kt higher 77 kt; value from memory
    found = speed(normal_approach_kias=70, gust_spread_kt=15).speed_kias
    assert found == pytest.approx(77, abs=1)  # printed in whole knots, the half dropped


def test_without_a_printed_speed_it_is_1_3_of_the_calibrated_stall():
    # [pub] 14 CFR 23.73 before 2017; the airspeed indicator reads 3 kt less than calibrated here
    under = AirspeedTable(ias_kt=(40, 62, 100), cas_kt=(46, 65, 100))
    assert speed(airspeed_table=under).speed_kias == pytest.approx(62)


def test_a_printed_speed_falls_with_the_root_of_the_weight():
    # [pub] lift equation: speed goes with the square root of the weight
    assert speed(normal_approach_kias=65, weight_lb=1_944).speed_kias == pytest.approx(65 * math.sqrt(0.81))
    kept = speed(normal_approach_kias=65, weight_lb=1_944, technique=Technique(weight_scaling=False))
    assert kept.speed_kias == 65


def test_the_steps_add_up_and_each_has_its_reason():
    found = speed(normal_approach_kias=65, weight_lb=2_000, gust_spread_kt=8)
    assert [step.step for step in found.steps] == ['base', 'weight', 'gust', 'result']
    assert sum(step.change_kt for step in found.steps) == pytest.approx(found.speed_kias)
    assert all(step.reason and step.source for step in found.steps)
    assert speed(normal_approach_kias=65, gust_spread_kt=8, technique=Technique(gust_allowance='none')).speed_kias == 65


def test_the_touchdown_speed_is_just_above_the_stall():
    flap = MARRAM_160.flaps[-1]
    found = touchdown_speed_kcas(aircraft=MARRAM_160, flap=flap, weight_lb=2_400, kind='normal', approach_kcas=63)
    assert found == pytest.approx(1.05 * 47.5)


def test_where_the_handbook_prints_no_crosswind_it_is_a_fifth_of_the_stall():
    # [pub] former 14 CFR 23.233
    silent = dataclasses.replace(MARRAM_160, demonstrated_crosswind_kt=None)
    assert silent.crosswind_limit[0] == pytest.approx(0.2 * 47.5)


def test_the_landing_table_is_read_between_its_values_and_never_beyond():
    table = MARRAM_160.landing_table
    at = table.ground_roll_ft
    assert table.ground_roll(pressure_altitude_ft=2_000, temperature_c=20) == at[1][2]
    middle = table.ground_roll(pressure_altitude_ft=3_000, temperature_c=15)
    assert middle == pytest.approx((at[1][1] + at[1][2] + at[2][1] + at[2][2]) / 4)
    # denser air than printed: the nearest printed value errs long
    assert table.ground_roll(pressure_altitude_ft=-200, temperature_c=-10) == at[0][0]
    with pytest.raises(OutsideTable, match='pressure altitude 9,000 is above the table, which ends at 8,000'):
        table.ground_roll(pressure_altitude_ft=9_000, temperature_c=20)


@pytest.mark.parametrize(
    ('thing', 'message'),
    [
        (
            lambda: dataclasses.replace(MARRAM_160, max_weight_lb=-1),
            'Maximum weight cannot be -1 lb. Enter a value above 0 ',
        ),
        (lambda: dataclasses.replace(MARRAM_160, max_weight_lb=math.nan), 'Maximum weight cannot be nan lb'),
        (lambda: dataclasses.replace(MARRAM_160, eye_height_ft=math.inf), 'Height of the eyes cannot be inf ft'),
        (
            lambda: speed(normal_approach_kias=50),
            'Approach speed cannot be 50 KIAS. Enter a value above the stalling speed, 50.0 KIAS.',
        ),
        (
            lambda: AirspeedTable(ias_kt=(50, 40), cas_kt=(50, 60)),
            'Indicated airspeed cannot be 40 kt. Enter a value above the value before it, 50 kt.',
        ),
        (lambda: MARRAM_160.flap('wide open'), 'Flap cannot be “wide open”. Enter up, half or full.'),
    ],
)
def test_nonsense_is_refused_with_the_field_the_value_and_the_range(thing, message):
    with pytest.raises(InvalidInput) as refusal:
        thing()
    assert message in str(refusal.value)
