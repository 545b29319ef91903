"""The drawn replay's own reckoning on a simulated flight, against the truth of the simulator and NumPy."""

import bisect
import re
from typing import Any

import numpy as np
import pytest

from bullseye.tracks.flightlog import log_of, on_runway
from tests.device.node import in_node, values
from tests.tracks.making import analysed, flown, of_kind, recorded, runways, truths

COLUMNS = ('along_ft', 'lateral_ft', 'height_ft', 'groundspeed_kt', 'bank_deg', 'climb_fpm')


@pytest.fixture(scope='module')
def flight() -> Any:
    return flown('full-stop', 3, 'lant', '05')


@pytest.fixture(scope='module')
def lap(flight) -> dict[str, Any]:
    """One lap as the API sends it, from before its takeoff until it has rolled out."""
    analysis = analysed(flight, recorded(flight, gnss=False))
    (touch,) = of_kind(analysis, 'touchdown')
    runway = next(one for one in runways(flight) if one.end.ident == touch.runway)
    part = log_of(analysis).between(touch.time_s - 900, touch.time_s + 20)
    elevation = float(runway.surface_ft(np.array([0.0]))[0])
    return on_runway(part, runway.frame, elevation_ft=elevation, zero_s=touch.time_s)


def test_the_sample_at_a_time_is_the_last_before_it():
    rng = np.random.default_rng(2)
    for count in (1, 2, 7, 400):
        times = sorted(float(value) for value in rng.uniform(-300, 20, count))
        asked = [float(value) for value in rng.uniform(-320, 40, 50)] + times
        found = values('replay/lap', [['indexAt', times, at] for at in asked])
        assert found == [max(0, bisect.bisect_right(times, at) - 1) for at in asked]


def test_between_samples_a_figure_is_read_on_the_line(lap):
    rng = np.random.default_rng(3)
    times = np.array(lap['time_s'])
    asked = [(str(rng.choice(COLUMNS)), float(rng.uniform(times[0] - 5, times[-1] + 5))) for _ in range(120)]
    found = values('replay/lap', [['valueAt', lap, column, at] for column, at in asked])
    for (column, at), value in zip(asked, found, strict=True):
        assert value == pytest.approx(np.interp(at, times, np.array(lap[column], float)), abs=1e-6)


def test_where_nothing_is_known_nothing_is_read():
    bare = {'time_s': [0, 1, 2, 3], 'bank_deg': [4, None, 8, None]}
    found = values('replay/lap', [['valueAt', bare, 'bank_deg', at] for at in (0, 0.5, 1, 1.5, 2, 2.5, 3, 9)])
    assert found == [4, 4, None, None, 8, 8, None, None]


def test_moments_to_jump_to_are_where_the_flight_had_them(flight, lap):
    (found,) = values('replay/lap', [['momentsOf', lap, True]])
    by_label = {one['label']: one['time'] for one in found}
    assert [one['label'] for one in found] == ['Takeoff', 'Abeam', '500 ft', '300 ft', 'Threshold', 'Touchdown']
    assert [one['time'] for one in found] == sorted(one['time'] for one in found)
    (touch,), (lift,) = truths(flight, 'touchdown'), truths(flight, 'takeoff')
    lifted_s = lift['time_s'] - touch['time_s']
    assert by_label['Takeoff'] == pytest.approx(lifted_s, abs=12)  # fifty feet up, less three seconds
    assert by_label['Touchdown'] == 0
    times, along, height = (np.array(lap[name], float) for name in ('time_s', 'along_ft', 'height_ft'))
    assert np.interp(by_label['500 ft'], times, height) == pytest.approx(500, abs=15)
    assert np.interp(by_label['300 ft'], times, height) == pytest.approx(300, abs=15)
    assert abs(np.interp(by_label['Threshold'], times, along)) < 60
    abeam = by_label['Abeam']
    assert abs(np.interp(abeam, times, along)) < 60
    assert abs(np.interp(abeam, times, np.array(lap['lateral_ft'], float))) > 2_000
    assert lifted_s < abeam < by_label['500 ft']


def test_a_go_around_has_a_lowest_place_and_no_touchdown(lap):
    (found,) = values('replay/lap', [['momentsOf', lap, False]])
    assert found[-1]['label'] == 'Lowest'


def test_a_lap_that_begins_in_the_air_offers_no_takeoff(lap):
    late = [k for k, at in enumerate(lap['time_s']) if at > -60]
    part = {name: [column[k] for k in late] for name, column in lap.items() if column is not None}
    (found,) = values('replay/lap', [['momentsOf', part, True]])
    assert 'Takeoff' not in {one['label'] for one in found}
    assert 'Abeam' not in {one['label'] for one in found}


def test_all_laps_laid_over_each_other_are_in_the_span():
    laps = [{'time_s': [-300.0, 0.0, 18.0]}, {'time_s': [-410.5, 9.0]}, {'time_s': []}]
    assert values('replay/lap', [['spanOf', laps[:2]], ['spanOf', laps]]) == [[-410.5, 18], [-410.5, 18]]


def drawn(path: str) -> list[list[tuple[float, float]]]:
    """The strokes of a path, by where the pen was put down."""
    strokes: list[list[tuple[float, float]]] = []
    for command, x, y in re.findall(r'([ML])\s*(-?[\d.]+)[ ,](-?[\d.]+)', path):
        if command == 'M':
            strokes.append([])
        strokes[-1].append((float(x), float(y)))
    return strokes


def test_a_path_is_broken_where_the_recorder_was_silent_or_knew_nothing():
    times = [*np.arange(0, 20, 0.5), *np.arange(40, 60, 0.5)]
    height = [100.0 + i for i in range(len(times))]
    height[10] = height[11] = None
    path = in_node(
        """
        const { pathOf } = load('replay/lap')
        return pathOf(given, (k) => given.height_ft[k] === null ? null : [given.time_s[k], given.height_ft[k]])
        """,
        {'time_s': times, 'height_ft': height},
    )
    strokes = drawn(path)
    assert [len(one) for one in strokes] == [10, 28, 40]
    assert strokes[0][0] == pytest.approx((0, 100), abs=0.06)
    assert strokes[1][0] == pytest.approx((6, 112), abs=0.06)
    assert strokes[2][0] == pytest.approx((40, 140), abs=0.06)


def test_how_a_lap_ended_in_words():
    asked = [
        {'kind': 'touchdown', 'then': 'touch_and_go'},
        {'kind': 'touchdown', 'then': 'stop_and_go'},
        {'kind': 'touchdown', 'then': None},
        {'kind': 'go_around', 'then': None},
        {'kind': 'low_approach', 'then': None},
    ]
    found = values('replay/lap', [['endedBy', one] for one in asked])
    assert found == ['Touch-and-go', 'Stop-and-go', 'Full stop', 'Go-around', 'Low approach']


def test_laps_laid_over_each_other_differ_by_more_than_colour():
    lines = in_node("const { LINES, MOST_LAPS } = load('replay/lap'); return [LINES, MOST_LAPS]")
    assert lines[1] == len(lines[0]) == 3
    assert len({one['dash'] for one in lines[0]}) == 3
    assert len({one['stroke'] for one in lines[0]}) == 3
