"""What must not matter to the analysis: where on earth, when, in which file, in how many, and who stands elsewhere."""

from __future__ import annotations

import copy
import itertools
import json
from datetime import UTC, datetime, timedelta
from typing import Any

import numpy as np
import pytest

from bullseye.sim.writers import write
from bullseye.tracks.analyse import Analysis, analyse
from bullseye.tracks.fields import runways_of
from bullseye.tracks.known import Known
from bullseye.tracks.readers import read_track
from bullseye.tracks.report import as_dict

from .making import DAY, analysed, flown, made_up, of_kind, recorded, runways, truths

SLOW = {'rate_hz': 2.0, 'gnss': False}


@pytest.fixture(scope='module')
def flight() -> Any:
    return flown('pattern')


@pytest.fixture(scope='module')
def usual(flight: Any) -> Analysis:
    return analysed(flight, recorded(flight, **SLOW))


def what_happened(analysis: Analysis) -> list[tuple[Any, ...]]:
    return [(event.kind, event.runway, event.then, event.bounces) for event in analysis.events]


def figures(analysis: Analysis) -> dict[str, list[float]]:
    """Figures that a lap is judged by, of the touchdowns in order."""
    names = ('along_ft', 'lateral_ft', 'groundspeed_kt', 'uncertainty_ft', 'threshold_height_ft', 'aim_flown_ft')
    found = of_kind(analysis, 'touchdown')
    return {name: [getattr(event, name, None) or getattr(event.final, name, None) for event in found] for name in names}


def test_another_day_and_hour_change_only_the_times(flight: Any, usual: Analysis) -> None:
    start = datetime(2027, 12, 31, 23, 40, tzinfo=UTC)  # over midnight and the end of the year
    later = analysed(flight, recorded(flight, start=start, **SLOW))
    assert what_happened(later) == what_happened(usual)
    offset_s = start.timestamp() - recorded(flight, **SLOW).start.timestamp()
    for one, other in zip(later.events, usual.events, strict=True):
        assert one.time_s - other.time_s == pytest.approx(offset_s, abs=0.02)
    for name, values in figures(later).items():
        assert values == pytest.approx(figures(usual)[name], abs=0.6), name


@pytest.mark.parametrize('form', ['gpx', 'nmea', 'csv'])
def test_the_form_of_the_file_does_not_matter(flight: Any, usual: Analysis, form: str) -> None:
    found = analysed(flight, recorded(flight, **SLOW), form=form)
    assert what_happened(found) == what_happened(usual)
    own, theirs = figures(usual), figures(found)
    assert theirs['along_ft'] == pytest.approx(own['along_ft'], abs=25)  # each rounds heights in its own way
    assert theirs['lateral_ft'] == pytest.approx(own['lateral_ft'], abs=2)
    assert theirs['groundspeed_kt'] == pytest.approx(own['groundspeed_kt'], abs=1)


def test_a_height_that_is_off_by_any_amount_is_tied_to_the_runway(flight: Any, usual: Analysis) -> None:
    track = read_track(write(recorded(flight, **SLOW), 'gpx').encode())
    for off_ft in (-300.0, 160.0):
        moved = copy.copy(track)
        object.__setattr__(moved, 'height_ft', track.height_ft + off_ft)
        found = analyse(moved, runways(flight))
        assert what_happened(found) == what_happened(usual)
        assert figures(found)['along_ft'] == pytest.approx(figures(usual)['along_ft'], abs=2)
        assert figures(found)['threshold_height_ft'] == pytest.approx(figures(usual)['threshold_height_ft'], abs=1)


def test_fields_that_nobody_came_near_change_nothing(flight: Any, usual: Analysis) -> None:
    far = copy.deepcopy(flight.ground.geojson)
    for feature in far['features']:
        places = feature['geometry']['coordinates']
        if feature['geometry']['type'] == 'Point':
            feature['geometry']['coordinates'] = [places[0] + 1.0, places[1]]
        else:
            feature['geometry']['coordinates'] = [[lon + 1.0, lat] for lon, lat in places]
    track = read_track(write(recorded(flight, **SLOW), 'gpx').encode())
    found = analyse(track, [*runways_of(far, on=DAY), *runways(flight)])
    assert as_dict(found)['events'] == as_dict(usual)['events']


def test_the_ends_of_a_runway_in_the_other_order_are_the_same_runway(flight: Any, usual: Analysis) -> None:
    turned = copy.deepcopy(flight.ground.geojson)
    for feature in turned['features']:
        if feature['geometry']['type'] == 'LineString':
            feature['geometry']['coordinates'].reverse()
            feature['properties']['ends'].reverse()
    track = read_track(write(recorded(flight, **SLOW), 'gpx').encode())
    found = analyse(track, runways_of(turned, on=DAY))
    assert what_happened(found) == what_happened(usual)
    for name, values in figures(found).items():
        assert values == pytest.approx(figures(usual)[name], abs=0.5), name


def test_a_spot_and_an_aircraft_are_no_part_of_what_happened(flight: Any, usual: Analysis) -> None:
    track = read_track(write(recorded(flight, **SLOW), 'gpx').encode())
    found = analyse(track, runways(flight), known=Known(spots_ft={'05': 400.0, '23': 200.0}))
    assert what_happened(found) == what_happened(usual)
    for event in of_kind(found, 'touchdown'):
        spot_ft = {'05': 400.0, '23': 200.0}[str(event.runway)]
        assert event.from_spot_ft == pytest.approx(event.along_ft - spot_ft)
    assert all(event.from_spot_ft is None for event in of_kind(usual, 'touchdown'))


def test_a_flight_in_two_files_has_the_events_of_one(flight: Any, usual: Analysis) -> None:
    """Cut where the aeroplane is high on a downwind: each half tells of its own laps, none is lost or told twice."""
    lines = write(recorded(flight, **SLOW), 'nmea').splitlines()
    touch = [event.time_s for event in of_kind(usual, 'touchdown')]
    middle_s = (touch[1] + touch[2]) / 2 + 20
    begun = recorded(flight, **SLOW).start
    share = (middle_s - begun.timestamp()) / (usual.track.time_s[-1] - usual.track.time_s[0])
    cut = int(len(lines) * share)
    halves = [analyse(read_track('\n'.join(part).encode()), runways(flight)) for part in (lines[:cut], lines[cut:])]
    whole = [(event.kind, event.runway) for event in usual.events]
    both = [(event.kind, event.runway) for half in halves for event in half.events]
    assert both == whole
    times = [event.time_s for half in halves for event in half.events]
    assert times == pytest.approx([event.time_s for event in usual.events], abs=1.0)


@pytest.mark.parametrize('seed', [100_901, 100_902, 100_903])
def test_any_flight_holds_together(seed: int) -> None:
    """Whatever was flown: what the report says of one lap must agree with what it says of the next."""
    flight = made_up(seed)
    found = analysed(flight, recorded(flight, seed=seed, rate_hz=1.0))
    times = [event.time_s for event in found.events]
    assert times == sorted(times)
    assert json.loads(json.dumps(as_dict(found), allow_nan=False))
    known = {runway.end.ident for runway in runways(flight)}
    assert {event.runway for event in found.events if event.runway is not None} <= known
    for before, after in itertools.pairwise(found.events):
        # two touchdowns need a takeoff between them, and what has not touched has not taken off again
        if before.kind == 'touchdown':
            assert after.kind == 'takeoff' or before.then == 'full_stop'
        if after.kind == 'takeoff' and before.kind != 'takeoff':
            assert before.kind == 'touchdown'
    for event in of_kind(found, 'touchdown'):
        assert event.uncertainty_ft is None or event.uncertainty_ft > 0
        assert event.then in ('full_stop', 'touch_and_go', 'stop_and_go')
        if event.hold_off.float_ft is not None and event.hold_off.float_s is not None and event.hold_off.float_s > 1:
            assert event.hold_off.float_ft / event.hold_off.float_s == pytest.approx(
                event.groundspeed_kt * 1.688, rel=0.35
            )
    true = list(truths(flight, 'touchdown'))
    assert len(of_kind(found, 'touchdown')) == pytest.approx(len(true), abs=1)
    assert np.isfinite([event.latitude_deg for event in found.events]).all()
    assert all(timedelta(0) <= timedelta(seconds=b - a) for a, b in itertools.pairwise(times))
