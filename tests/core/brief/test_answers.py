"""The table of answers against the model, read by the device's own code: it runs in Node, as it is shipped."""

import dataclasses
from typing import Any

import numpy as np
import pytest

from bullseye.core.brief.aiming import winds_met_ft
from bullseye.core.brief.answers import AnswerTable, make_answers
from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import landing_setup, path_angle_deg
from bullseye.core.given.belief import Calibration
from bullseye.core.model.forecast import hit_chance, simulate_from_aim_ft
from bullseye.core.model.touchdown import predict
from tests.core.making import make_request
from tests.device.node import values


def on_device(calls: list[list[Any]]) -> list[Any]:
    """Answers of web/src/offline/answers.ts to calls given as name and arguments."""
    return values('offline/answers', calls)


def plain(table: AnswerTable) -> dict[str, Any]:
    return dataclasses.asdict(table)


@pytest.fixture(scope='module')
def cases() -> list[tuple[BriefRequest, AnswerTable]]:
    """Sorties of all kinds, winds and weights."""
    rng = np.random.default_rng(20)
    kinds = ['normal', 'short_field', 'soft_field', 'power_off', 'crosswind', 'no_flap']
    found = []
    for i in range(12):
        wind_kt = float(rng.integers(0, 20))
        request = make_request(
            landing=kinds[i % len(kinds)],
            standard='us_commercial',
            weight_lb=float(rng.integers(1_800, 2_400)),
            spot_ft=float(rng.integers(500, 900)),
            weather={
                'wind_dir_deg_mag': float(rng.integers(0, 360)),
                'wind_kt': wind_kt,
                'gust_kt': wind_kt + float(rng.integers(3, 10)) if i % 3 == 0 and wind_kt else None,
                'temperature_c': float(rng.integers(-10, 38)),
            },
        )
        known = Calibration(
            deceleration_fps2=float(rng.uniform(2.2, 4.2)),
            bias_ft=float(rng.normal(0, 120)),
            scatter_ft=float(rng.uniform(50, 200)),
            bias_sd_ft=60.0,
            laps=6,
        )
        request = dataclasses.replace(request, calibration=known)
        found.append((request, make_answers(request)))
    return found


def test_reading_between_the_values_stays_within_ten_feet_of_the_model(cases):
    rng = np.random.default_rng(4)
    calls, truth = [], []
    for request, table in cases:
        for _ in range(60):
            speed = float(rng.uniform(table.speed_kias[0], table.speed_kias[-1]))
            wind = float(rng.uniform(table.headwind_kt[0], table.headwind_kt[-1]))
            calls.append(['touchdownMinusAimFt', plain(table), speed, wind])
            there = dataclasses.replace(request, approach_speed_kias=speed)
            approach = landing_setup(there).approach
            # of a glide the path over the ground follows the wind
            path_deg = path_angle_deg(there, speed_ktas=approach.speed_ktas, headwind_kt=wind)
            approach = dataclasses.replace(approach, headwind_kt=wind, path_angle_deg=path_deg)
            gusts = winds_met_ft(landing_setup(request)).mean() - predict(landing_setup(request).approach).touchdown_ft
            truth.append(gusts + predict(approach).touchdown_ft)
    off = np.abs(np.array(on_device(calls)) - np.array(truth))
    assert len(off) == 720
    assert off.max() < 10


def test_the_chance_read_from_the_table_is_that_of_the_simulation(cases):
    rng = np.random.default_rng(5)
    calls, truth = [], []
    for request, table in cases:
        made, brief = landing_setup(request), make_brief(request)
        middle = winds_met_ft(made).mean()
        for _ in range(6):
            scatter, shift = float(rng.uniform(30, 350)), float(rng.uniform(-400, 400))
            calls.append(['hitChance', plain(table), scatter, shift])
            landed = simulate_from_aim_ft(
                made.approach, bias_ft=0.0, scatter_ft=scatter, gust_headwind_kt=made.wind.gust_head_kt
            )
            box = [edge - brief.aim.target_ft for edge in brief.aim.box_ft]
            truth.append(hit_chance(landed - middle + shift, box_from_ft=box[0], box_to_ft=box[1]))
    assert np.abs(np.array(on_device(calls)) - np.array(truth)).max() < 0.03


def test_without_new_laps_the_device_aims_where_the_brief_does(cases):
    for (request, _), answer in zip(cases, on_device([['nextLap', plain(t), []] for _, t in cases]), strict=True):
        brief = make_brief(request)
        assert answer['aim_point_ft'] == pytest.approx(brief.aim.aim_point_ft)
        assert answer['predicted_ft'] == pytest.approx(brief.touchdown.predicted_touchdown_ft, abs=10)
        assert answer['hit_chance'] == pytest.approx(brief.aim.hit_chance, abs=0.04)


def flown(along_ft: float | None, aim_ft: float, **seen: Any) -> dict[str, Any]:
    unknown = {'threshold_speed_kias': None, 'headwind_kt': None, 'excluded': False}
    return unknown | {'along_ft': along_ft, 'aim_ft': aim_ft} | seen


def test_the_device_learns_within_the_step_and_one_wild_lap_moves_it_little(cases):
    _, table = cases[0]
    aim, steady = table.briefed_aim_ft, table.bias_ft
    usual = (
        aim + on_device([['touchdownMinusAimFt', plain(table), table.briefed_speed_kias, table.briefed_headwind_kt]])[0]
    )
    long = [flown(usual + steady + 200, aim) for _ in range(6)]
    wild = [*(flown(usual + steady, aim) for _ in range(5)), flown(usual + steady + 2_000, aim)]
    spared = [flown(usual + steady + 200, aim, excluded=True)]
    small = plain(table) | {'aim_step_ft': 20.0}
    after_long, after_wild, after_spared, stepped = (
        answer['aim_point_ft'] - aim
        for answer in on_device(
            [
                ['nextLap', plain(table), long],
                ['nextLap', plain(table), wild],
                ['nextLap', plain(table), spared],
                ['nextLap', small, long[:2]],
            ]
        )
    )
    assert -200 <= after_long < -60  # earlier, and no further than the error
    assert abs(after_wild) < 2_000 / 3
    assert after_spared == 0
    assert stepped == pytest.approx(-40)  # two laps, two steps


def test_the_parts_of_a_lap_add_up_to_its_error(cases):
    _, table = cases[1]
    lap = flown(table.spot_ft + 333, table.briefed_aim_ft + 40, headwind_kt=table.briefed_headwind_kt + 4)
    lap['threshold_speed_kias'] = table.briefed_speed_kias + 5
    (answer,) = on_device([['lapOnDevice', plain(table), lap, table.spot_ft, table.briefed_aim_ft]])
    assert sum(part['feet'] for part in answer['parts']) == pytest.approx(answer['error_ft'])
    assert [part['cause'] for part in answer['parts']] == ['aim', 'speed', 'wind', 'rest']
    assert answer['parts'][1]['feet'] > 0 > answer['parts'][2]['feet']


def test_outside_of_the_table_there_is_no_answer(cases):
    _, table = cases[0]
    for speed, wind in ((table.speed_kias[0] - 1, 0.0), (table.speed_kias[-1] + 1, 0.0), (70.0, 99.0)):
        assert on_device([['touchdownMinusAimFt', plain(table), speed, wind]]) == [None]
