"""Drills without a landing, as a recorded flight shows them: along the runway, and the hold-off at altitude."""

import numpy as np
import pytest

from bullseye.tracks.report import report_of
from tests.tracks.making import DAY, LANTERN, analyse, flown, read_track, recorded, runways_of, write


def seen(scenario, rate_hz, *, gnss):
    flight = flown(scenario)
    recording = recorded(flight, gnss=gnss, rate_hz=rate_hz)
    found = analyse(read_track(write(recording, 'gpx').encode()), runways_of(LANTERN, on=DAY))
    return flight, report_of(found), recording.start.timestamp()


def along_the_runway(flight, from_s, to_s):
    """What the simulator flew meanwhile: furthest from the centreline, and highest less lowest."""
    states, strip = flight.states, flight.ground.strips['05']
    rows = (states['time_s'] >= from_s) & (states['time_s'] <= to_s)
    along, lateral = strip.from_plane(states['n_ft'][rows], states['e_ft'][rows])
    height = states['height_ft'][rows] - np.array([strip.surface_ft(one) for one in along])
    return lateral[np.argmax(np.abs(lateral))], np.ptp(height)


@pytest.mark.parametrize(('rate_hz', 'gnss'), [(10, False), (1, False), (1, True), (5, True), (0.5, True)])
def test_along_the_runway_centreline_and_height_are_told_as_flown(rate_hz, gnss):
    flight, report, begun = seen('low-passes', rate_hz, gnss=gnss)
    ends = [report.events[lap.end].kind for lap in report.laps]
    assert ends == ['low_approach', 'low_approach', 'touchdown']
    assert report.laps[2].low_pass is None
    steady, swaying = (lap.low_pass for lap in report.laps[:2])
    for low in (steady, swaying):
        assert 15 < low.to_s - low.from_s < 40
        lateral_ft, range_ft = along_the_runway(flight, low.from_s - begun, low.to_s - begun)
        assert abs(low.lateral_ft - lateral_ft) <= low.lateral_uncertainty_ft + 8 * gnss
        assert abs(low.height_range_ft - range_ft) <= low.height_range_uncertainty_ft + 1
    assert swaying.lateral_ft > 20 > abs(steady.lateral_ft)  # it was flown to the right of it
    assert swaying.height_range_ft > steady.height_range_ft + 9
    if not gnss:
        assert steady.height_range_ft < 5
        assert swaying.height_range_ft > 20


@pytest.mark.parametrize(('rate_hz', 'gnss'), [(10, False), (1, False), (1, True), (5, True)])
def test_hold_offs_at_altitude_are_timed_and_those_over_a_runway_are_none(rate_hz, gnss):
    flight, report, begun = seen('deck', rate_hz, gnss=gnss)
    drills = [one for one in flight.events if one['kind'] == 'drill']
    assert len(report.held_aloft) == len(drills) == 3
    for found, truth in zip(report.held_aloft, drills, strict=True):
        assert abs(found.to_s - begun - truth['time_s']) < 3
        assert abs(found.held_s - truth['held_s']) <= found.uncertainty_s + 0.3
    _, pattern, _ = seen('pattern', rate_hz, gnss=gnss)
    assert pattern.held_aloft == ()
