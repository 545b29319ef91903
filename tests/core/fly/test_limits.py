"""Limits of takeoff, pattern and traffic that an instructor insists on: at the value, one step inside, one outside.

Values: common practice, no source, unless a test says otherwise; those of our own are marked so in docs/model.md.
"""

from dataclasses import replace

import pytest
from scipy.optimize import brentq

from bullseye.core.air.turns import GroundWind
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.sentence import Caution
from bullseye.core.brief.asked import pattern_task, takeoff_of
from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.plan import Plan
from bullseye.core.brief.setup import landing_setup
from bullseye.core.fly.legs import Legs, NoPattern, PatternChoice, PatternTask
from bullseye.core.fly.overground import Heights, fly
from bullseye.core.fly.pattern import brief_pattern
from bullseye.core.fly.traffic import number_two
from bullseye.core.model.speeds import stall_margin
from tests.core.making import briefed, make_request

HERE = {'weight_lb': 2_230, 'runway': {'elevation_ft': 310, 'length_ft': 5_100}, 'spot_ft': 900}

CALM = GroundWind(along_fps=0.0, right_fps=0.0)


def severities(cautions, words: str) -> set[str]:
    return {one.severity for one in cautions if isinstance(one, Caution) and words in str(one)}


def task_for(choice: PatternChoice | None = None) -> PatternTask:
    request = make_request(**HERE)
    plan = Plan(pattern=choice or PatternChoice(wind_kt=0.0))
    setup = landing_setup(request)
    return pattern_task(request, plan, setup, briefed(**HERE), takeoff_of(request, plan, setup))


@pytest.mark.parametrize(('share', 'expected'), [(1.001, set()), (1.0, set()), (0.999, {'stop'})])
def test_nobody_lifts_off_below_the_stall(share, expected):
    # Vr not below Vs1 [pub: 14 CFR 23.51 before 1996, value from memory]
    request = make_request(**HERE)
    aircraft, flap = request.aircraft, request.aircraft.climb_flap
    stall_kias = flap.airspeed_table.indicated_kt(flap.stall_kcas * (request.weight_lb / aircraft.max_weight_lb) ** 0.5)
    root = (request.weight_lb / aircraft.max_weight_lb) ** 0.5
    slow = replace(request, aircraft=replace(aircraft, rotate_kias=share * stall_kias / root))
    assert severities(takeoff_of(slow, Plan(), landing_setup(slow)).cautions, 'below the stall') == expected


@pytest.mark.parametrize(('margin', 'expected'), [(1.21, set()), (1.2, set()), (1.19, {'mind'})])
def test_the_climb_to_50_ft_is_a_fifth_above_the_stall(margin, expected):
    # 1.2 Vs1 at 50 ft [pub: 14 CFR 23.51 before 1996, value from memory]
    request = make_request(**HERE)
    flap = request.aircraft.climb_flap
    root = (request.weight_lb / request.aircraft.max_weight_lb) ** 0.5
    kias = flap.airspeed_table.indicated_kt(margin * flap.stall_kcas * root) / root
    near = replace(request, aircraft=replace(request.aircraft, vx_kias=kias))
    said = takeoff_of(near, Plan(), landing_setup(near)).cautions
    assert severities(said, f'is {margin:.2f} times the stall') == expected


@pytest.mark.parametrize(('margin', 'expected'), [(1.21, set()), (1.2, set()), (1.19, {'mind'}), (1.1, {'mind'})])
def test_an_approach_below_a_fifth_above_the_stall_is_minded(margin, expected):
    request = make_request(**HERE)
    flap = request.flap_setting
    stall_kcas = request.aircraft.stall_kcas(flap=flap, weight_lb=request.weight_lb)
    kias = flap.airspeed_table.indicated_kt(margin * stall_kcas) + 1e-6
    said = make_brief(replace(request, approach_speed_kias=kias)).cautions
    assert severities(said, 'less than a fifth of it') == expected


def test_an_approach_below_a_tenth_above_the_stall_is_refused():
    request = make_request(**HERE)
    flap = request.flap_setting
    stall_kcas = request.aircraft.stall_kcas(flap=flap, weight_lb=request.weight_lb)
    with pytest.raises(InvalidInput, match=r'at least 1\.1 of the stalling speed'):
        replace(request, approach_speed_kias=flap.airspeed_table.indicated_kt(1.099 * stall_kcas))


def _with_base_at(margin: float) -> PatternTask:
    """A pattern whose turn from base leaves so much of the stalling speed."""
    task = task_for(PatternChoice(wind_kt=0.0, bank_deg=28.0))

    base = Legs(task, CALM).base

    def off(kias: float) -> float:
        return stall_margin(base.flap_setting, kias, root=base.weight_root, bank_deg=28.0) - margin

    return replace(task, base_kias=brentq(off, 40.0, 90.0, xtol=1e-9))


@pytest.mark.parametrize(('margin', 'expected'), [(1.16, set()), (1.15001, set()), (1.14, {'mind'}), (1.1, {'mind'})])
def test_a_turn_near_the_stall_is_minded(margin, expected):
    said = brief_pattern(_with_base_at(margin)).cautions  # 1.15 in a turn [own]
    assert severities(said, 'above the stall in the turn from base') == expected


def test_a_turn_within_a_tenth_of_the_stall_is_no_pattern():
    with pytest.raises(NoPattern, match='base'):
        brief_pattern(_with_base_at(1.0999))  # 1.1 [own]


@pytest.mark.parametrize(('height_ft', 'expected'), [(301.0, set()), (300.0, set()), (299.0, {'stop'})])
def test_the_first_turn_is_not_low(height_ft, expected):
    task = task_for()
    low = replace(task, first_turn_ft=task.runway.elevation_ft + height_ft)
    assert severities(brief_pattern(low).cautions, 'The first turn would come only') == expected


@pytest.mark.parametrize(('height_ft', 'expected'), [(301.0, set()), (300.001, set()), (299.0, {'stop'})])
def test_the_turn_onto_final_is_not_low(height_ft, expected):
    def at(altitude_ft: float) -> PatternTask:
        return task_for(PatternChoice(wind_kt=0.0, altitude_ft=altitude_ft))

    def height(altitude_ft: float) -> float:
        task = at(altitude_ft)
        return Heights(task, fly(Legs(task, CALM))).final_turn_ft

    altitude_ft = brentq(lambda one: height(one) - height_ft, 800.0, 1_310.0, xtol=1e-9)
    assert severities(brief_pattern(at(altitude_ft)).cautions, 'The turn onto final is only') == expected


@pytest.mark.parametrize(
    ('gap_s', 'expected', 'is_offered'),
    [
        (61, None, True),
        (60, None, True),
        (59, 'mind', True),
        (30, 'mind', True),
        (29, 'stop', True),
        (-1, 'stop', False),
    ],
)
def test_gap_behind_the_one_ahead(gap_s, expected, is_offered):
    # a caution below 60 s, red below 30 [own]; overtaking is not offered
    ahead_s = (1.2 * 6_076.115 + 700.0) / (64.0 * 1.687810)  # exact units [pub: ICAO Annex 5]
    two = number_two(
        extend_s=12.0,
        downwind_kt=84.0,
        final_ft=7_400.0,
        tpa_ft=1_000.0,
        path_angle_deg=3.0,
        aim_ft=700.0,
        from_abeam_s=ahead_s + gap_s + 1e-3,
        ahead_final_nm=1.2,
        ahead_kt=64.0,
        final_kt=58.0,
    )
    assert (two.caution.severity if two.caution else None) == expected
    assert two.is_offered is is_offered


@pytest.mark.parametrize(
    ('elevation_ft', 'altitude_ft', 'expected'),
    [
        (310, 3_309.0, set()),
        (310, 3_310.01, {'mind'}),  # 3,000 ft above the field
        (310, 3_311.0, {'mind'}),
        (4_400, 4_999.0, set()),
        (4_400, 5_000.01, {'mind'}),  # 5,000 ft, wherever the field lies
        (4_400, 5_001.0, {'mind'}),
    ],
)
def test_thin_air(elevation_ft, altitude_ft, expected):
    def at(temperature_c: float):
        runway = HERE['runway'] | {'elevation_ft': elevation_ft}
        return briefed(**(HERE | {'runway': runway}), weather={'temperature_c': temperature_c})

    temperature_c = brentq(lambda one: at(one).wind.density_altitude_ft - altitude_ft, -10.0, 55.0, xtol=1e-9)
    assert severities(at(temperature_c).cautions, 'ensity altitude') == expected
