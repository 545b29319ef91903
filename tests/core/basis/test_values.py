"""The small pieces everything rests on: units, checked values, runway paint in words, the flat frame."""

import dataclasses
import math
from datetime import UTC, datetime, timedelta
from typing import get_args

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import TypeAdapter, ValidationError

from bullseye.core.air.geo import RunwayFrame
from bullseye.core.air.wind import Wind
from bullseye.core.basis.constants import FPS_PER_KT, FT_PER_M, FT_PER_NM
from bullseye.core.basis.errors import BullseyeError, InvalidInput
from bullseye.core.basis.kinds import LandingKind, RoundoutOrder
from bullseye.core.basis.limits import WeightLb, shown_limits
from bullseye.core.basis.quantity import clock_reading, is_in_range
from bullseye.core.basis.sentence import knots, told_apart
from bullseye.core.basis.tables import require_rising
from bullseye.core.given.airfield import Airfield, Obstacle, RunwayEnd, in_stripes, stripe_before_aim
from bullseye.core.given.standards import BUILT_IN, Tolerance
from bullseye.core.given.technique import Technique, speed_lost_before_roundout_kt
from bullseye.core.model.touchdown import Approach

END = {'ident': '05', 'course_deg_true': 38.0, 'length_ft': 2_790.0, 'width_ft': 60.0, 'elevation_ft': 38.0}


def test_the_exact_units():
    # [pub] ICAO Annex 5: 1 ft = 0.3048 m and 1 nm = 1852 m, exactly
    assert pytest.approx(1, abs=1e-12) == FT_PER_M * 0.3048
    assert pytest.approx(6_076.115, abs=0.001) == FT_PER_NM
    assert pytest.approx(1.68781, abs=1e-5) == FPS_PER_KT


@pytest.mark.parametrize(
    ('make', 'message'),
    [
        (
            lambda: RunwayEnd(**END | {'course_deg_true': 400.0}),
            'Course cannot be 400°. Enter a value between 0 and 360°.',
        ),
        (lambda: RunwayEnd(**END | {'length_ft': math.inf}), 'Length cannot be inf ft'),
        (lambda: RunwayEnd(**END | {'slope_pct': 40.0}), 'Slope cannot be 40 %. Enter a value between -15 and 15 %.'),
        (lambda: RunwayEnd(**END | {'width_ft': '60'}), 'Width cannot be “60”'),
        (lambda: RunwayEnd(**END | {'displaced_threshold_ft': True}), 'Displaced threshold cannot be true'),
        (lambda: Wind(direction_deg_true=-10, speed_kt=5), 'Direction cannot be -10°'),
        (lambda: Wind(direction_deg_true=10, speed_kt=math.nan), 'Wind cannot be nan kt'),
        (lambda: Obstacle(height_ft=0, before_threshold_ft=100), 'Height cannot be 0 ft. Enter a value above 0'),
        (
            lambda: Tolerance(touchdown_from_ft=0, touchdown_to_ft=0, speed_above_kt=5, speed_below_kt=5),
            'Last touchdown allowed cannot be 0 ft',
        ),
        (
            lambda: Approach(
                speed_ktas=62,
                touchdown_ktas=50,
                headwind_kt=0,
                path_angle_deg=3,
                deceleration_fps2=0.2,
                eye_height_ft=7,
            ),
            'Slowing in the float cannot be 0.2 ft/s². Enter a value above 0.5 and at most 12 ft/s².',
        ),
    ],
)
def test_nonsense_names_the_field_the_value_and_the_range(make, message):
    with pytest.raises(InvalidInput) as refusal:
        make()
    assert message in str(refusal.value)
    assert isinstance(refusal.value, BullseyeError)
    assert refusal.value.code == 'invalid_input'


def test_values_cannot_be_changed_after_they_were_checked():
    end = RunwayEnd(**END)
    with pytest.raises(dataclasses.FrozenInstanceError):
        end.length_ft = -1
    with pytest.raises(InvalidInput, match='Length cannot be -1 ft'):
        dataclasses.replace(end, length_ft=-1)


def test_the_ranges_of_the_values_stand_in_the_schema_too():
    schema = TypeAdapter(RunwayEnd).json_schema()
    assert schema['properties']['length_ft'] == {
        'maximum': 20_000,
        'minimum': 300,
        'title': 'Length Ft',
        'type': 'number',
    }
    assert schema['additionalProperties'] is False
    with pytest.raises(ValidationError):
        TypeAdapter(RunwayEnd).validate_python(END | {'colour': 'red'})


@pytest.mark.parametrize(
    ('feet', 'words'),
    [
        (0, 'the aim point'),
        (90, 'the last stripe before the aim'),
        (160, 'the gap before the last stripe before the aim'),
        (320, 'the first of two stripes before the aim'),
        (350, 'the gap before the last two stripes before the aim'),
        (1_650, 'the first of 9 stripes before the aim'),
    ],
)
def test_places_before_the_aim_are_named_by_the_paint(feet, words):
    # [pub] FAA AC 150/5340-1: stripe 120 ft, gap 80 ft; a stripe is counted to its far end, 320 ft back
    assert str(stripe_before_aim(feet)) == words


@pytest.mark.parametrize(
    ('feet', 'words'),
    [
        (200, '1 stripe and gap'),
        (-150, '¾ stripe and gap'),
        (50, '¼ stripe and gap'),
        (510, '2½ stripes and gaps'),
        (12, 'less than a quarter'),
    ],
)
def test_a_shift_is_said_in_stripes(feet, words):
    assert str(in_stripes(feet)).startswith(words)


@given(st.floats(-5_000, 5_000), st.floats(-3_000, 3_000), st.floats(0, 359), st.floats(-70, 70), st.floats(-180, 180))
def test_the_frame_leads_there_and_back(along, lateral, course, lat, lon):
    frame = RunwayFrame(threshold_lat_deg=lat, threshold_lon_deg=lon, course_deg_true=course)
    there_lat, there_lon = frame.place(along_ft=along, lateral_ft=lateral)
    back = frame.locate(lat_deg=there_lat, lon_deg=(there_lon + 180) % 360 - 180)  # across the date line too
    assert back == pytest.approx((along, lateral), abs=1e-3)


def test_lateral_is_positive_to_the_right():
    frame = RunwayFrame(threshold_lat_deg=0, threshold_lon_deg=0, course_deg_true=90)
    _, lateral = frame.locate(lat_deg=-0.001, lon_deg=0)  # south of an eastward runway
    assert lateral > 0


def test_a_runway_knows_its_paint_and_what_can_be_landed_on():
    displaced = RunwayEnd(**END | {'displaced_threshold_ft': 210.0, 'magnetic_variation_deg': -12.4})
    assert displaced.landing_distance_available_ft == 2_580
    assert displaced.course_deg_mag == pytest.approx(50.4)
    assert displaced.has_paint
    assert not RunwayEnd(**END | {'surface': 'grass'}).has_paint


def test_a_field_names_its_ends():
    end = RunwayEnd(**END)
    field = Airfield(ident='LANT', latitude_deg=47.2, longitude_deg=-38.4, ends=(end,))
    assert field.end('05') is end
    with pytest.raises(InvalidInput, match='Runway cannot be “23”'):
        field.end('23')
    with pytest.raises(InvalidInput, match='each ident once'):
        dataclasses.replace(field, ends=(end, end))


def test_a_standard_without_a_task_says_which_it_has():
    with pytest.raises(InvalidInput, match='normal, crosswind, short_field'):
        BUILT_IN['us_private'].tolerance('power_off')
    for standard in BUILT_IN.values():
        assert 'memory' in standard.source  # shown beside it
        for kind in get_args(LandingKind):
            of_its_own = kind if kind in ('short_field', 'power_off') else 'normal'
            assert standard.examines(kind) == (getattr(standard, of_its_own) is not None)


@pytest.mark.parametrize('order', get_args(RoundoutOrder))
def test_hands_at_the_roundout_only_ever_cost_speed(order):
    lost = speed_lost_before_roundout_kt(
        technique=Technique(roundout_order=order), deceleration_fps2=3.2, path_angle_deg=3, power_on=True
    )
    # by hand: (3.2 - 32.174 sin 3 degrees) ft/s2 for 0, 2 and 3 s, over 1.688
    expected = {'halve_shift_idle_flare': 0.0, 'idle_shift_flare': 1.797, 'gradual_from_threshold': 2.695}
    assert lost == pytest.approx(expected[order], abs=0.002)
    idle_all_the_way = speed_lost_before_roundout_kt(
        technique=Technique(roundout_order=order), deceleration_fps2=3.2, path_angle_deg=3, power_on=False
    )
    assert idle_all_the_way == 0
    steep = speed_lost_before_roundout_kt(
        technique=Technique(roundout_order=order), deceleration_fps2=3.2, path_angle_deg=8, power_on=True
    )
    assert steep == 0  # gravity gives back more than the idle takes


def test_the_years_that_are_kept_and_those_that_a_clock_may_show():
    first, last = datetime(2000, 1, 1, tzinfo=UTC), datetime(2100, 1, 1, tzinfo=UTC)
    tick = timedelta(microseconds=1)
    assert [is_in_range(one) for one in (first - tick, first, last - tick, last)] == [False, True, True, False]
    begin, end = datetime(1970, 1, 1, tzinfo=UTC), datetime(3000, 1, 1, tzinfo=UTC)
    assert clock_reading(begin) == begin
    assert clock_reading(end - tick) == end - tick
    for one in (begin - tick, end):
        with pytest.raises(ValueError, match='clock of the device'):
            clock_reading(one)


def test_an_axis_rises_from_value_to_value():
    require_rising('temperature_c', (-10.0, 0.0, 0.1))
    for values in ((0.0, 0.0), (1.0, 0.5)):
        with pytest.raises(InvalidInput):
            require_rising('temperature_c', values)


def test_two_figures_that_differ_differ_in_words():
    said = [tuple(map(str, told_apart(knots(one), knots(8.2)))) for one in (8.4, 8.21, 12.0, 8.2)]
    assert said == [('8.4 kt', '8.2 kt'), ('8.21 kt', '8.20 kt'), ('12 kt', '8 kt'), ('8 kt', '8 kt')]


def test_what_a_form_asks_for_is_what_the_quantity_takes():
    shown = shown_limits()
    assert shown['weightLb'] == {'min': 1, 'max': 20_000}  # above zero, in whole pounds
    assert shown['aimFt'] == {'min': -5_000, 'max': 20_000}
    with pytest.raises(ValidationError):
        TypeAdapter(WeightLb).validate_python(0.0)
    assert TypeAdapter(WeightLb).validate_python(1.0) == 1.0
