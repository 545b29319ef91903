"""What would teach most next, against simulation of the laps that are asked for."""

import dataclasses

import numpy as np
import pytest

from bullseye.core.brief.setup import landing_setup
from bullseye.core.learn.joint import Prior, learn
from bullseye.core.measure.flown import FlownLap
from bullseye.core.model.touchdown import predict
from tests.core.making import briefed, make_request

KNOWN = {
    'laps': 4,
    'bias_ft': 40,
    'bias_sd_ft': 120,
    'scatter_ft': 90,
    'deceleration_fps2': 3.2,
    'deceleration_sd_fps2': 0.35,
    'speed_habit_kt': 2,
    'speed_habit_sd_kt': 4.0,
    'speed_scatter_kt': 2.5,
}


def gains(**changes):
    found = briefed(calibration=KNOWN | changes.pop('known', {}), **changes)
    return {one.measuring: one.gain for one in found.teaching.by_measuring}, found.teaching.teaches_words


@pytest.mark.parametrize('aim_speed', ['briefed', 'habit'])
def test_what_would_teach_most_agrees_with_what_simulation_gains(aim_speed):
    # independent: pilots drawn from the belief, two laps each flown by the model and learned from by the grid
    request = make_request(calibration=KNOWN, technique={'aim_speed': aim_speed})
    approach, rng = landing_setup(request).approach, np.random.default_rng(3)
    per_kt = (
        predict(dataclasses.replace(approach, speed_ktas=approach.speed_ktas + 1)).touchdown_ft
        - predict(dataclasses.replace(approach, speed_ktas=approach.speed_ktas - 1)).touchdown_ft
    ) / 2
    prior = Prior(
        deceleration_fps2=approach.deceleration_fps2,
        deceleration_sd_fps2=0.35,
        bias_ft=40,
        bias_sd_ft=120,
        habit_kt=2,
        habit_sd_kt=4,
        scatter_ft=90,
        speed_scatter_kt=2.5,
        scatter_spread=0.02,
        speed_scatter_spread=0.02,
    )
    hits = {'today': [], 'nothing': [], 'speed': []}
    lap_sd = np.hypot(90, 2.5 * per_kt)
    for _ in range(500):
        a, bias, habit = approach.deceleration_fps2 + 0.35 * rng.normal(), 40 + 120 * rng.normal(), 2 + 4 * rng.normal()
        off_of = {}
        speeds = approach.speed_ktas + habit + 2.5 * rng.normal(size=2)
        landed = [
            predict(dataclasses.replace(approach, speed_ktas=v, deceleration_fps2=a)).touchdown_ft
            + bias
            + 90 * rng.normal()
            for v in speeds
        ]
        for measuring in ('nothing', 'speed'):
            reads = measuring == 'speed'
            laps = [
                FlownLap(
                    approach=dataclasses.replace(approach, speed_ktas=v + 1.5 * rng.normal()) if reads else approach,
                    touchdown_from_aim_ft=touched,
                    speed_is_known=reads,
                    briefed_ktas=approach.speed_ktas,
                )
                for v, touched in zip(speeds, landed, strict=True)
            ]
            off_of[measuring] = learn(laps, prior=prior).mean
        off_of['today'] = np.array([approach.deceleration_fps2, 40.0, 2.0])
        true_ft = predict(dataclasses.replace(approach, deceleration_fps2=a)).touchdown_ft + bias
        for name, (a_mean, bias_mean, habit_mean) in off_of.items():
            aimed_ft = predict(dataclasses.replace(approach, deceleration_fps2=a_mean)).touchdown_ft + bias_mean
            missed_ft = true_ft - aimed_ft
            if aim_speed == 'habit':
                missed_ft += per_kt * (habit - habit_mean)
            hits[name].append(np.mean(np.abs(missed_ft + lap_sd * rng.normal(size=400)) <= 200))
    simulated = {name: np.mean(hits[name]) - np.mean(hits['today']) for name in ('nothing', 'speed')}
    said, words = gains(technique={'aim_speed': aim_speed})
    for name, gain in simulated.items():
        assert said[name] == pytest.approx(gain, abs=0.035), name
    # and the order is that of the simulation: the speed is worth reading where the aim is for the briefed one
    assert ('read the speed' in str(words)) == (simulated['speed'] - simulated['nothing'] > 0.01)


def test_what_is_known_well_needs_no_measuring():
    sure = {'bias_sd_ft': 12, 'speed_habit_sd_kt': 0.4, 'deceleration_sd_fps2': 0.05}
    found, words = gains(known=sure)
    assert all(0 <= gain < 0.01 for gain in found.values())
    assert 'as sure as it gets' in str(words)


def test_a_watch_helps_where_the_aeroplane_is_not_known_and_idle_is_flown():
    wide = {'deceleration_sd_fps2': 1.2, 'bias_sd_ft': 30}
    idle, _ = gains(known=wide)
    assert idle['speed_and_time'] > idle['speed'] + 0.005
    power_on, _ = gains(known=wide, landing='soft_field')
    assert power_on['speed_and_time'] == pytest.approx(power_on['speed'])
