"""The aim point on its own, and what is learned for it, against the whole brief and a general optimiser."""

import dataclasses

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from bullseye.core.basis.constants import BIAS_SD_FT
from bullseye.core.brief.aiming import recommended_aim_ft
from bullseye.core.brief.landing import make_brief
from bullseye.core.given.belief import Calibration
from bullseye.core.learn.fit import calibrate
from bullseye.core.measure.flown import FlownLap
from bullseye.core.model.touchdown import Approach, predict
from tests.core.making import approach, make_request

KINDS = ('normal', 'crosswind', 'short_field', 'soft_field', 'power_off', 'no_flap', 'forward_slip')
WEATHER = st.fixed_dictionaries(
    {
        'wind_dir_deg_mag': st.floats(0, 360),
        'wind_kt': st.floats(0, 18),
        'temperature_c': st.floats(-15, 38),
        'qnh_hpa': st.floats(985, 1_040),
    }
)


@given(
    kind=st.sampled_from(KINDS),
    weather=WEATHER,
    weight_lb=st.floats(1_700, 2_400),
    spot_ft=st.floats(300, 1_200),
    bias_ft=st.floats(-300, 300),
    aim=st.sampled_from(['middle_of_box', 'on_the_line']),
    distance=st.sampled_from(['calibrated', 'fixed', 'before_300_500']),
)
def test_the_aim_point_alone_is_that_of_the_brief(kind, weather, weight_lb, spot_ft, bias_ft, aim, distance):
    request = make_request(
        landing=kind,
        standard='us_commercial',
        weather=weather,
        weight_lb=weight_lb,
        spot_ft=spot_ft,
        technique={'aim_target': aim, 'aim_distance': distance},
        calibration={'bias_ft': bias_ft, 'scatter_ft': 90.0},
    )
    brief = make_brief(request)
    assert recommended_aim_ft(request) == brief.aim.recommended_aim_point_ft
    # what a pilot aims at by hand changes where the wheels come, not what is recommended
    elsewhere = dataclasses.replace(request, aim_point_ft=brief.aim.aim_point_ft + 150)
    assert recommended_aim_ft(elsewhere) == brief.aim.recommended_aim_point_ft
    assert make_brief(elsewhere).touchdown.predicted_touchdown_ft == pytest.approx(
        brief.touchdown.predicted_touchdown_ft + 150
    )


@given(bias_ft=st.floats(-400, 400), more_ft=st.floats(1, 300))
def test_a_longer_habit_moves_the_aim_back_by_as_much(bias_ft, more_ft):
    first = make_request(calibration={'bias_ft': bias_ft, 'scatter_ft': 90.0})
    second = make_request(calibration={'bias_ft': bias_ft + more_ft, 'scatter_ft': 90.0})
    assert recommended_aim_ft(first) - recommended_aim_ft(second) == pytest.approx(more_ft)


def laps_of(
    rng: np.random.Generator, count: int, *, a_fps2: float, bias_ft: float, scatter_ft: float
) -> list[FlownLap]:
    """Laps of one pilot by the model itself, at different speeds and winds, some of them unread."""
    found = []
    for _ in range(count):
        flown = approach(
            speed_ktas=float(rng.uniform(58, 72)),
            headwind_kt=float(rng.uniform(-3, 15)),
            deceleration_fps2=a_fps2,
        )
        found.append(
            FlownLap(
                approach=flown,
                touchdown_from_aim_ft=predict(flown).touchdown_ft + bias_ft + float(rng.normal(0, scatter_ft)),
                speed_is_known=bool(rng.random() < 0.7),
            )
        )
    return found


def test_the_order_of_the_aircrafts_laps_does_not_matter_and_that_of_the_pilots_does():
    rng = np.random.default_rng(77)
    early = laps_of(rng, 14, a_fps2=3.2, bias_ft=200, scatter_ft=10)
    late = laps_of(rng, 14, a_fps2=3.2, bias_ft=-100, scatter_ft=10)
    timed = [dataclasses.replace(lap, float_s=4.0 + i / 20, speed_is_known=True) for i, lap in enumerate(early)]

    def learned(aircraft: list[FlownLap], pilot: list[FlownLap]) -> Calibration:
        return calibrate(aircraft_laps=aircraft, pilot_laps=pilot, prior_deceleration_fps2=3.2)

    one, other = learned(timed, early), learned(timed[::-1], early)
    assert one.deceleration_fps2 == pytest.approx(other.deceleration_fps2)
    now_short, now_long = learned([], early + late), learned([], late + early)
    assert now_short.bias_ft < now_long.bias_ft - 25
    assert now_short.laps == now_long.laps == 28


@given(st.lists(st.floats(-600, 900), min_size=1, max_size=25))
def test_any_laps_give_an_answer_that_is_within_its_ranges(touchdowns):
    laps = [
        FlownLap(approach=approach(), touchdown_from_aim_ft=456 + off, speed_is_known=i % 2 == 0)
        for i, off in enumerate(touchdowns)
    ]
    found = calibrate(aircraft_laps=laps, pilot_laps=laps, prior_deceleration_fps2=3.2)
    assert 0.5 < found.deceleration_fps2 <= 12
    assert found.bias_sd_ft <= 1.15 * BIAS_SD_FT  # one wild lap leaves open which of bias and scatter it is
    assert found.scatter_ft > 0
    assert min(0, *touchdowns) - 60 <= found.bias_ft <= max(0, *touchdowns) + 60


def test_more_laps_make_it_surer():
    rng = np.random.default_rng(5)
    read = laps_of(rng, 24, a_fps2=3.2, bias_ft=80, scatter_ft=60)
    laps = [dataclasses.replace(lap, speed_is_known=True) for lap in read]
    sds = [
        calibrate(aircraft_laps=[], pilot_laps=laps[:count], prior_deceleration_fps2=3.2).bias_sd_ft
        for count in (0, 1, 3, 8, 24)
    ]
    # what a lap tells fades with the laps after it, so that it does not go on to nothing
    assert sds[0] == pytest.approx(BIAS_SD_FT)
    assert sds[2] < sds[1] < sds[0]
    assert max(sds[3:]) < 0.75 * sds[0]


def test_an_approach_that_makes_no_sense_teaches_nobody():
    for called, wrong in (
        ('True airspeed', {'speed_ktas': 0.0}),
        ('Path angle', {'path_angle_deg': 40.0}),
        ('Slowing in the float', {'deceleration_fps2': 0.1}),
        ('Headwind', {'headwind_kt': float('nan')}),
    ):
        with pytest.raises(ValueError, match=f'{called} cannot be'):
            Approach(**({**dataclasses.asdict(approach()), **wrong}))
