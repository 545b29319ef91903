"""The simulated flight obeys mechanics, and its recorder makes the errors it says."""

from __future__ import annotations

import numpy as np
import pytest

from bullseye.sim.air import KT, Gusts, Wind
from bullseye.sim.ground import read_ground
from bullseye.sim.recorder import CLEAN, GNSS, Recorder, record
from bullseye.sim.scenarios import SCENARIOS, scenario_flight

from .making import LANTERN, flown, made_up, recorded, truths


@pytest.mark.parametrize('scenario', sorted(SCENARIOS))
def test_every_scenario_flies_and_tells_its_truth(scenario: str) -> None:
    flight = flown(scenario)
    ends = [event for event in flight.events if event['kind'] not in ('takeoff', 'drill')]
    assert sum(event['kind'] == 'drill' for event in flight.events) == SCENARIOS[scenario].drills
    assert len(ends) == len(SCENARIOS[scenario].laps)
    for event, planned in zip(ends, SCENARIOS[scenario].laps, strict=True):
        assert event['kind'] == ('touchdown' if planned not in ('go_around', 'low_approach') else planned)
        if event['kind'] == 'touchdown':
            assert event['then'] == planned
    times = [event['time_s'] for event in flight.events]
    assert times == sorted(times)


def test_places_are_the_integral_of_speeds_and_turns_are_limited_by_bank() -> None:
    s = flown('pattern').states
    dt = np.diff(s['time_s'])
    assert np.allclose(np.diff(s['n_ft']), s['vn_fps'][:-1] * dt, atol=1e-6)
    assert np.allclose(np.diff(s['e_ft']), s['ve_fps'][:-1] * dt, atol=1e-6)
    flying = s['height_ft'] > 250
    assert np.degrees(np.abs(s['bank_rad'])).max() <= 30
    # in a steady turn: rate = g tan(bank) / airspeed [pub: Pilot's Handbook of Aeronautical Knowledge, chapter 5]
    rate = np.gradient(np.unwrap(s['heading_rad']), s['time_s'])
    steady = flying & (np.abs(np.gradient(s['bank_rad'])) < 1e-5) & (np.abs(s['bank_rad']) > 0.2)
    assert steady.sum() > 500
    expected = 32.174 * np.tan(s['bank_rad'][steady]) / (s['airspeed_kt'][steady] * KT)
    assert np.allclose(rate[steady], expected, rtol=0.12)


def test_the_last_two_feet_are_sunk_through_slowly() -> None:
    """As aeroplanes do, so that height alone does not tell the touchdown [own]."""
    slow = []
    for scenario in ('pattern', 'always-long', 'gusty'):
        flight = flown(scenario)
        for event in truths(flight, 'touchdown'):
            before = (flight.states['time_s'] > event['time_s'] - 3) & (flight.states['time_s'] < event['time_s'])
            strip = flight.ground.strips[event['runway']]
            along = [
                strip.from_plane(n, e)[0]
                for n, e in zip(flight.states['n_ft'][before], flight.states['e_ft'][before], strict=True)
            ]
            wheels = flight.states['height_ft'][before] - np.array([strip.surface_ft(x) for x in along])
            slow.append(wheels.max())
    assert np.median(slow) < 3
    assert all(event['sink_fpm'] < 300 for event in truths(flown('pattern'), 'touchdown'))


def test_wheels_stay_on_the_runway_and_the_flight_ends_where_it_says() -> None:
    flight = flown('pattern')
    for event in truths(flight, 'touchdown'):
        strip = flight.ground.strips[event['runway']]
        assert 0 < event['along_ft'] < strip.landing_length_ft
        assert abs(event['lateral_ft']) < strip.width_ft / 2
        assert event['float_ft'] > 0
        assert event['roundout_start_ft'] < event['level_ft'] < event['along_ft']


def test_wind_grows_and_veers_with_height() -> None:
    wind = Wind(from_deg_true=360, speed_kt=10, shear=0.14, veer_deg_per_1000_ft=6)
    north, east = wind.at(33)
    assert (north / KT, east / KT) == pytest.approx((-10, 0), abs=0.05)
    high = np.hypot(*wind.at(1_000)) / KT
    assert high == pytest.approx(10 * (1_000 / 33) ** 0.14)
    assert np.hypot(*wind.at(0)) < np.hypot(*wind.at(33))


def test_gusts_have_the_spread_and_the_memory_they_are_given() -> None:
    gusts = Gusts(np.random.default_rng(1), sd=2.0, time_s=4.0, step_s=0.02)
    series = np.array([gusts.step() for _ in range(400_000)])
    assert series.std() == pytest.approx(2.0, rel=0.08)
    lag = round(4.0 / 0.02)
    assert np.corrcoef(series[:-lag], series[lag:])[0, 1] == pytest.approx(np.exp(-1), abs=0.08)


def test_the_receivers_errors_are_those_of_their_class() -> None:
    """Differences to the clean recording of the same flight, over many receivers."""
    flight = flown('pattern')
    north, height, speed, offsets = [], [], [], []
    clean = record(flight, Recorder(rate_hz=1.0, errors=CLEAN), np.random.default_rng(0))
    for seed in range(40):
        rough = record(flight, Recorder(rate_hz=1.0, errors=GNSS), np.random.default_rng(seed))
        truth = np.interp(rough.time_s, clean.time_s, clean.lat_deg)
        north.append((rough.lat_deg - truth) * 364_800)
        off = rough.height_ft - np.interp(rough.time_s, clean.time_s, clean.height_ft)
        offsets.append(off.mean())
        height.append(off - off.mean())
        assert rough.speed_kt is not None
        assert clean.speed_kt is not None
        speed.append(rough.speed_kt - np.interp(rough.time_s, clean.time_s, clean.speed_kt))
    assert np.concatenate(north).std() == pytest.approx(np.hypot(6, 1.5), rel=0.15)
    assert np.concatenate(height).std() == pytest.approx(np.hypot(12, 1.5), rel=0.2)
    assert np.concatenate(speed)[np.concatenate(speed) > -3].std() == pytest.approx(0.25, rel=0.3)
    assert 40 < np.ptp(offsets) <= 260


def test_rates_and_dropouts() -> None:
    fast = recorded(flown('full-stop'), rate_hz=10.0, gnss=False, dropouts=[(100, 130)])
    steps = np.diff(fast.time_s)
    assert np.median(steps) == pytest.approx(0.1)
    assert steps.max() > 30
    assert recorded(flown('full-stop'), with_speed=False).speed_kt is None


def test_the_plane_is_laid_on_the_earth_to_inches() -> None:
    ground = read_ground(LANTERN)
    strip = ground.strips['23']
    assert strip.displaced_ft == 260
    assert strip.landing_length_ft == pytest.approx(2_530, abs=0.5)
    n, e = strip.to_plane(1_000, -20)
    assert strip.from_plane(n, e) == pytest.approx((1_000, -20))
    lat, lon = ground.to_earth(np.array([0.0]), np.array([0.0]))
    assert (lat[0], lon[0]) == pytest.approx((ground.lat_deg, ground.lon_deg))
    with pytest.raises(ValueError, match='no airfield'):
        read_ground({'features': []})


def test_flights_of_any_kind_differ() -> None:
    events = [made_up(seed, laps=2).events for seed in (1, 2)]
    assert events[0][0]['along_ft'] != events[1][0]['along_ft']
    with pytest.raises(ValueError, match='has no runway 99'):
        scenario_flight('full-stop', field_data=LANTERN, seed=1, runway='99')
