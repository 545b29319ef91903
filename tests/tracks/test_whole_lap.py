"""Whole laps from the roll to the exit: one known fault each is found and blamed, by every standard, and no other.

What was worked out is what the simulated pilot of the clean laps means to fly; a fault is one habit that is not.
"""

from __future__ import annotations

import math
from dataclasses import replace
from functools import cache
from typing import Any

import numpy as np
import pytest

from bullseye.core.explain.around import AroundJudged, judge_around
from bullseye.core.given.standards import BUILT_IN
from bullseye.core.measure.around import WorkedOut
from bullseye.sim.air import Wind
from bullseye.sim.flight import Flight, Flown
from bullseye.sim.ground import read_ground
from bullseye.sim.pilot import Aeroplane, LapEnd, LapPlan, Student
from bullseye.store.flying.around import around_of
from bullseye.tracks.events import FlightReport
from bullseye.tracks.report import report_of

from .making import LANTERN, analysed, flown, kept, recorded

PLANE = Aeroplane()
TIDY = Student(
    aim_spread_ft=25,
    speed_spread_kt=0.8,
    altitude_spread_ft=12,
    centreline_spread_ft=2,
    drift_spread_kt=0.4,
    final_bank_deg=24,
    spacing_ft=8_800,  # a final long enough to be stable on it from 300 ft
)
WIND = Wind(from_deg_true=15, speed_kt=8, gust_sd_kt=0.5)  # from the left of runway 05
FLIGHTS = 4
LAPS: tuple[LapEnd, ...] = ('full_stop',) * 3

# The habit, the name under which it is blamed, and how far it goes beyond what the standard allows
FAULTS: dict[str, tuple[dict[str, Any], dict[str, Any]]] = {
    'liftoff': ({'lift_off_kt': 72.0}, {}),
    'climb_speed': ({'climb_kt': 98.0}, {}),
    'downwind_speed': ({'downwind_kt': 112.0}, {}),
    'altitude': ({}, {'altitude_bias_ft': 260.0}),
    'spacing': ({}, {'spacing_ft': 12_300.0}),
    'bank': ({}, {'final_bank_deg': 46.0}),
    'overshoot': ({}, {'overshoot_ft': 900.0}),
    'path': ({}, {'drags_it_in': True}),
    'final_speed': ({}, {'speed_bias_kt': 24.0}),
}
# What one habit brings along with it: too steep a bank cannot but follow flying through the centreline
GOES_WITH = {
    'bank': {'overshoot'},
    'overshoot': {'bank', 'final_centreline', 'decision', 'path', 'steady'},
    'path': {'decision', 'steady', 'final_centreline'},  # low, it is at 300 ft still in its turn
    'final_speed': {'decision', 'final_centreline', 'overshoot'},
}
# Where a fix a second with errors cannot tell a lift-off to a quarter of its roll, a finer recorder can
FINE = {'liftoff': {'rate_hz': 10.0, 'gnss': False}}


@cache
def one_flight(fault: str, seed: int) -> Flown:
    plane, student = FAULTS.get(fault, ({}, {}))

    def fly() -> Flown:
        flight = Flight(
            read_ground(LANTERN),
            wind=WIND,
            aeroplane=replace(PLANE, **plane),
            student=replace(TIDY, **student),
            rng=np.random.default_rng([seed, 18]),
        )
        flight.start_on_apron('05')
        return flight.fly([LapPlan(end=end, runway='05', aim_ft=150.0) for end in LAPS])

    return kept(['whole', repr((TIDY, PLANE, WIND, LAPS)), plane, student, seed], fly)


@cache
def plan() -> WorkedOut:
    """As the tidy pilot means to fly, with the wind as it blows at each height."""
    ground = read_ground(LANTERN)
    strip = ground.strips['05']

    def head_kt(height_ft: float) -> float:
        north, east = WIND.at(height_ft)
        return -(north * math.cos(strip.course_rad) + east * math.sin(strip.course_rad)) * 0.592484

    rolls = [one['liftoff_roll_ft'] for seed in range(FLIGHTS) for one in takeoffs(one_flight('', seed))]
    return WorkedOut(
        liftoff_ft=float(np.median(rolls)),
        climb_groundspeed_kt=PLANE.climb_kt - head_kt(400),
        first_turn_height_ft=ground.pattern_altitude_ft - ground.elevation_ft - 300,
        downwind_groundspeed_kt=PLANE.downwind_kt + head_kt(1_000),
        spacing_ft=TIDY.spacing_ft,
        bank_deg=25.0,
        final_groundspeed_kt=PLANE.approach_kt - head_kt(150),
        rollout_ft=None,
    )


def takeoffs(flown: Flown) -> list[dict[str, Any]]:
    return [one for one in flown.events if one['kind'] == 'takeoff']


@cache
def analysed_laps(fault: str) -> list[tuple[FlightReport, int]]:
    found = []
    for seed in range(FLIGHTS):
        flight = one_flight(fault, seed)
        report = report_of(analysed(flight, recorded(flight, seed=seed, **FINE.get(fault, {}))))
        found += [(report, lap.end) for lap in report.laps]
    return found


def judged(report: FlightReport, end: int, code: str) -> AroundJudged:
    return judge_around(around_of(report, end), plan(), standard=BUILT_IN[code], landing='normal', outcome='full_stop')


@pytest.mark.parametrize('fault', ['', *FAULTS])
def test_one_known_fault_is_blamed_and_no_other(fault: str) -> None:
    judges = 0
    reports = analysed_laps(fault)
    for code in BUILT_IN:
        laps = [judged(report, end, code) for report, end in reports]
        assert len(laps) == FLIGHTS * len(LAPS)
        blamed = [{one.name for one in lap.faults} for lap in laps]
        points = [point for lap in laps for point in lap.judged if point.name == fault]
        is_known = all(point.low is not None or point.high is not None for point in points)
        if fault and points and is_known and any(point.verdict != 'unknown' for point in points):
            judges += 1
            assert np.mean([fault in names for names in blamed]) >= 0.95, (code, blamed)
        elif fault:  # a limit that is not known blames nobody
            assert not any(fault in names for names in blamed), code
        others = [names - {fault} - GOES_WITH.get(fault, set()) for names in blamed]
        assert np.mean([not names for names in others]) >= 0.95, (code, others)
        if 'decision' not in GOES_WITH.get(fault, set()):
            assert np.mean([lap.decision == 'pass' for lap in laps]) >= 0.95, code
    assert judges >= (2 if fault else 0)


def test_landing_from_a_path_far_too_low_is_the_gravest_fault_of_all() -> None:
    for report, end in analysed_laps('path'):
        lap = judged(report, end, 'us_private')
        assert lap.decision == 'fail'
        assert lap.faults[0].name == 'decision'
        assert [one.name for one in lap.faults].index('path') == 1


def test_a_touch_and_go_is_not_blamed_for_a_roll_that_did_not_begin_at_rest() -> None:
    recording = recorded(flown('pattern'), rate_hz=10.0, gnss=False)
    report = report_of(analysed(flown('pattern'), recording))
    rolls = [around_of(report, lap.end).liftoff_ft for lap in report.laps]
    assert rolls[0] is not None
    assert rolls[1:] == [None] * 4
