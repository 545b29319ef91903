"""What lies between a track and the laps of a sortie: matching, the columns kept for replay, the tablet's own format."""

import itertools
import json
import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from pyproj import Geod

from bullseye.tracks.flightlog import NAMES, log_of, on_runway, pack, unpack
from bullseye.tracks.matching import Ended, match
from bullseye.tracks.readers import looks_like, read_track
from bullseye.tracks.readers.csvdetect import first_rows, has_figures, heading_key
from bullseye.tracks.track import UnreadableTrack
from tests.tracks.making import analysed, flown, of_kind, recorded, runways, truths

LAP_S = 300.0


def ended(*at_s: float, outcome: str = 'touch_and_go') -> list[Ended]:
    return [Ended(at_s=t, outcome=outcome) for t in at_s]


def test_taps_shortly_after_their_touchdowns_are_matched_through_all_that_is_missing():
    tracked = ended(*(LAP_S * k for k in range(6)))
    taps = [one.at_s + late for one, late in zip(tracked, (5, 12, 30, 8, 3, 70), strict=True)]
    assert match(tracked, ended(*taps)) == [0, 1, 2, 3, 4, 5]
    assert match(tracked, ended(*taps[:2], *taps[3:])) == [0, 1, None, 2, 3, 4]  # one was not noted
    assert match(tracked[2:], ended(*taps)) == [2, 3, 4, 5]  # the recorder was switched on late
    assert match(tracked, ended(*sorted([*taps, 650.0]))) == [0, 1, 2, 4, 5, 6]  # and one too many was noted
    assert match(tracked, []) == [None] * 6
    assert match([], ended(10.0)) == []
    assert match(ended(0.0), ended(200.0)) == [None]  # another lap by far


def test_how_a_lap_ended_decides_between_two_that_are_near():
    tracked = [Ended(at_s=0, outcome='go_around'), Ended(at_s=60, outcome='full_stop')]
    assert match(tracked, [Ended(at_s=50, outcome='full_stop')]) == [None, 0]
    assert match(tracked, [Ended(at_s=50, outcome='go_around')]) == [0, None]


def _cost(tracked: list[Ended], noted: list[Ended], pairs: tuple[tuple[int, int], ...]) -> float:
    """What a pairing costs, written down anew from docs/model.md."""
    total = 4.0 * (len(tracked) + len(noted) - 2 * len(pairs))
    for i, j in pairs:
        late = noted[j].at_s - tracked[i].at_s - 8
        if abs(late) > 150:
            return math.inf
        air = ('go_around', 'low_approach', 'drill')
        total += abs(late) / 25 + 2.0 * ((tracked[i].outcome in air) != (noted[j].outcome in air))
    return total


def _every_pairing(rows: int, columns: int):
    for count in range(min(rows, columns) + 1):
        for i in itertools.combinations(range(rows), count):
            for j in itertools.combinations(range(columns), count):
                yield tuple(zip(i, j, strict=True))


ENDS = st.lists(
    st.builds(Ended, at_s=st.floats(0, 900), outcome=st.sampled_from(['full_stop', 'touch_and_go', 'go_around'])),
    max_size=4,
).map(lambda ends: sorted(ends, key=lambda one: one.at_s))


@given(tracked=ENDS, noted=ENDS)
def test_no_pairing_costs_less_than_the_one_found(tracked, noted):
    found = match(tracked, noted)
    pairs = tuple((i, j) for i, j in enumerate(found) if j is not None)
    assert [j for _, j in pairs] == sorted({j for _, j in pairs})  # nothing overtakes, nothing twice
    least = min(_cost(tracked, noted, one) for one in _every_pairing(len(tracked), len(noted)))
    assert _cost(tracked, noted, pairs) == pytest.approx(least)


@pytest.fixture(scope='module')
def flight():
    return flown('full-stop', 3, 'lant', '05')


@pytest.fixture(scope='module')
def analysis(flight):
    return analysed(flight, recorded(flight, gnss=False, rate_hz=4))


def test_the_columns_kept_for_replay_come_back_and_lie_where_the_flight_was(flight, analysis):
    log = log_of(analysis)
    back = unpack(pack(log))
    for name in NAMES:
        np.testing.assert_allclose(getattr(back, name), getattr(log, name), rtol=2e-7, atol=1e-9, equal_nan=True)
    track = analysis.track
    _, _, off_m = Geod(ellps='WGS84').inv(log.lon_deg, log.lat_deg, track.lon_deg, track.lat_deg)
    assert np.quantile(off_m, 0.99) < 2.5  # smoothed, and on a plane again: metres within three miles of the field
    assert log.height_ft[0] == pytest.approx(flight.ground.elevation_ft, abs=10)  # standing on the apron


def test_a_lap_on_its_runway_touches_where_the_truth_says_and_banks_to_the_left(flight, analysis):
    (touch,) = of_kind(analysis, 'touchdown')
    (truth,) = truths(flight, 'touchdown')
    runway = next(one for one in runways(flight) if one.end.ident == '05')
    log = log_of(analysis)
    part = log.between(touch.time_s - 240, touch.time_s + 10)
    assert part.count < log.count
    elevation = float(runway.surface_ft(np.array([0.0]))[0])
    columns = on_runway(part, runway.frame, elevation_ft=elevation, zero_s=touch.time_s)
    assert columns['airspeed_kt'] is None  # nothing recorded: unknown, not zero
    at = int(np.argmin(np.abs(columns['time_s'])))
    assert columns['along_ft'][at] == pytest.approx(truth['along_ft'], abs=40)
    assert columns['lateral_ft'][at] == pytest.approx(truth['lateral_ft'], abs=8)
    assert columns['height_ft'][at] == pytest.approx(0, abs=6)
    bank = np.array(columns['bank_deg'])
    assert bank.min() < -15
    assert bank.max() < 12
    assert json.dumps(columns, allow_nan=False)


FIXES = st.lists(
    st.tuples(st.integers(200, 5_000), st.integers(-9_000, 9_000), st.integers(-9_000, 9_000), st.integers(5, 400)),
    min_size=6,
    max_size=40,
)


@given(fixes=FIXES, pieces=st.integers(1, 3))
def test_positions_of_a_tablet_are_read_as_they_were_written(fixes, pieces):
    steps = np.array(fixes, dtype=np.int64)
    t, lat, lon = (np.cumsum(steps[:, k]) for k in range(3))
    t, lat, lon = t + 1_790_000_000_000, lat + 500_000_000, lon - 300_000_000
    written = []
    for rows in np.array_split(np.arange(len(fixes)), pieces):
        columns = {'t': t[rows], 'lat': lat[rows], 'lon': lon[rows], 'acc': steps[rows, 3]}
        if rows.size:
            written.append({name: [int(v[0]), *(int(d) for d in np.diff(v))] for name, v in columns.items()})
    track = read_track(json.dumps({'pieces': written[::-1]}).encode())
    assert track.format == 'device'
    np.testing.assert_allclose(track.time_s, t / 1_000, atol=1e-6)
    np.testing.assert_allclose(track.lat_deg, lat / 1e7, atol=1e-9)
    np.testing.assert_allclose(track.lon_deg, lon / 1e7, atol=1e-9)
    assert not track.has('height_ft')
    told = {'alt': [30 + k for k in range(len(fixes))], 'spd': [None, *([2_572] * (len(fixes) - 1))]}
    whole = {'t': t, 'lat': lat, 'lon': lon, 'acc': steps[:, 3]}
    plain = {name: [int(v[0]), *(int(d) for d in np.diff(v))] for name, v in whole.items()}
    track = read_track(json.dumps(plain | told).encode())
    np.testing.assert_allclose(track.height_ft * 0.3048, np.array(told['alt']) / 10)
    assert math.isnan(track.speed_kt[0])
    assert track.speed_kt[1] == pytest.approx(50.0, abs=0.01)  # 25.72 m/s
    assert not track.has('course_deg_true')


@pytest.mark.parametrize(
    'text',
    [
        '{',
        '{}',
        '{"pieces": []}',
        '{"pieces": [7]}',
        '{"t": [1, 2], "lat": [1], "lon": [1, 2], "acc": [1, 2]}',
        '{"t": [1.5], "lat": [1], "lon": [1], "acc": [1]}',
        '{"t": [1], "lat": [1], "lon": [1]}',
        '{"t": [1], "lat": [99999999999999999999], "lon": [1], "acc": [1]}',
        '{"t": [1], "lat": [1], "lon": [1], "acc": [1]}',
        '{"t": [1, 1], "lat": [1, 1], "lon": [1, 1], "acc": [1, 1], "alt": [1]}',
        '{"t": [1], "lat": [1], "lon": [1], "acc": [1], "spd": [true]}',
        '{"a":' * 50_000,
    ],
)
def test_what_is_no_positions_is_said_to_be_none(text):
    with pytest.raises(UnreadableTrack):
        read_track(text.encode())


def test_a_phone_that_does_not_know_where_it_is_says_nothing_of_the_flight():
    acc = [40] * 6 + [600, 0, 0]  # from the seventh on known to 64 m only
    track = read_track(json.dumps({'t': [10**12] + [1_000] * 8, 'lat': [1] * 9, 'lon': [1] * 9, 'acc': acc}).encode())
    assert track.count == 6  # the column holds differences: the sixth is 240 dm, the seventh 840
    assert 'left out' in track.warnings[0]


def test_a_csv_is_known_again_by_its_headings_and_told_from_prose():
    one = 'made by a box\nwhen;where a;where b\n1;2;3\n2;3;4\n'
    same = 'made by a box\nwhen;where a;where b\n7;8;9\n'
    assert heading_key(one) == heading_key(same) == 'csv:;when;where a;where b'
    assert heading_key('1,2,3\n4,5,6\n') == 'csv:,3 columns without names'
    assert first_rows('a|b|c\n1|2|3\n') == ('|', [['a', 'b', 'c'], ['1', '2', '3'], []])
    assert has_figures('x,y,z\n' + '1,2.5,-3\n' * 6)
    assert not has_figures('Dear all, the flight, as you know,\nwas fine, and long, too\n' * 5)
    assert looks_like(b'x;y;z\n' + b'1;2,5;3\n' * 9) == 'csv'
    with pytest.raises(UnreadableTrack):
        looks_like(b'Dear all, the flight, as you know, was fine\n' * 9)
