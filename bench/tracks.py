"""Speed and accuracy of the analysis of tracks, over simulated flights that nothing was tuned on.

    PYTHONPATH=src .venv/bin/python bench/tracks.py speed
    PYTHONPATH=src .venv/bin/python bench/tracks.py accuracy [flights] [of the kinds that begin so]
    PYTHONPATH=src .venv/bin/python bench/tracks.py wind [flights]

Speed is told against gpxpy reading the same file, run in turn (ABAB). Accuracy is told as a table.
"""

from __future__ import annotations

import multiprocessing
import subprocess
import sys
import time
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field
from datetime import date
from functools import lru_cache, partial

import gpxpy
import numpy as np

from bullseye.core.basis.constants import FPS_PER_KT
from bullseye.core.brief.lapwind import lap_wind, speed_by_ground
from bullseye.core.brief.request import BriefRequest, parse_request
from bullseye.core.measure.readings import WORST
from bullseye.demo.fleet import AIRCRAFT, field_files
from bullseye.sim.flight import Flown
from bullseye.sim.recorder import BAROMETRIC, GNSS, HEARD_ON_GROUND, WHOLE_METRES, Recorder, Recording, record
from bullseye.sim.scenarios import any_flight, scenario_flight
from bullseye.sim.writers import csv, gpx, igc, nmea
from bullseye.store.flying.around import around_of
from bullseye.tracks.analyse import analyse
from bullseye.tracks.fields import runways_of
from bullseye.tracks.readers import read_track
from bullseye.tracks.report import as_dict, report_of

DAY = date(2026, 5, 14)
FIRST_SEED = 300_000  # tuning used seeds below 10,000, and 100,000 to 100,200 set some widths


@dataclass(frozen=True, kw_only=True)
class Shape:
    """One kind of flight as one kind of device saw it."""

    recorder: Recorder
    flown: Mapping[str, bool] = field(default_factory=dict)
    written: Callable[[Recording], str] = gpx


GROUND = Recorder(rate_hz=0.2, errors=HEARD_ON_GROUND, zero_on_ground=True)
CLASSES = {
    '10 Hz clean': Shape(recorder=Recorder(rate_hz=10.0)),
    '5 Hz clean': Shape(recorder=Recorder(rate_hz=5.0)),
    '1 Hz clean': Shape(recorder=Recorder(rate_hz=1.0)),
    '10 Hz GNSS errors': Shape(recorder=Recorder(rate_hz=10.0, errors=GNSS)),
    '5 Hz GNSS errors': Shape(recorder=Recorder(rate_hz=5.0, errors=GNSS)),
    '5 Hz GNSS errors, NMEA': Shape(recorder=Recorder(rate_hz=5.0, errors=GNSS), written=nmea),
    '5 Hz GNSS errors, attitude': Shape(recorder=Recorder(rate_hz=5.0, errors=GNSS, with_attitude=True)),
    '1 Hz GNSS errors': Shape(recorder=Recorder(rate_hz=1.0, errors=GNSS)),
    '1 Hz GNSS errors, attitude': Shape(recorder=Recorder(rate_hz=1.0, errors=GNSS, with_attitude=True)),
    '1 Hz GNSS errors, places only': Shape(recorder=Recorder(rate_hz=1.0, errors=GNSS, with_speed=False)),
    '1 Hz GNSS errors, IGC': Shape(recorder=Recorder(rate_hz=1.0, errors=GNSS), written=igc),
    '1 Hz late sink, clean': Shape(recorder=Recorder(rate_hz=1.0), flown={'sinks_late': True}),
    '1 Hz late sink, GNSS errors': Shape(recorder=Recorder(rate_hz=1.0, errors=GNSS), flown={'sinks_late': True}),
    '1 Hz late sink, whole metres': Shape(
        recorder=Recorder(rate_hz=1.0, errors=WHOLE_METRES), flown={'sinks_late': True}
    ),
    '1 Hz late sink, long floats, GNSS errors': Shape(
        recorder=Recorder(rate_hz=1.0, errors=GNSS), flown={'sinks_late': True, 'floats_long': True}
    ),
    '1 Hz barometric steps of 25 ft': Shape(recorder=Recorder(rate_hz=1.0, errors=BAROMETRIC)),
    'each 2 s, GNSS errors': Shape(recorder=Recorder(rate_hz=0.5, errors=GNSS)),
    'each 5 s, GNSS errors': Shape(recorder=Recorder(rate_hz=0.2, errors=GNSS)),
    'each 10 s, GNSS errors': Shape(recorder=Recorder(rate_hz=0.1, errors=GNSS)),
    'each 5 s, barometric steps of 25 ft': Shape(recorder=Recorder(rate_hz=0.2, errors=BAROMETRIC)),
    'heard on the ground': Shape(recorder=GROUND),
    'heard on the ground, fast': Shape(recorder=GROUND, flown={'fast': True, 'parallel': True}),
    'heard on the ground, nothing landed': Shape(recorder=GROUND, flown={'broken_off': True, 'parallel': True}),
    '1 Hz GNSS errors, German table': Shape(
        recorder=Recorder(rate_hz=1.0, errors=GNSS),
        written=partial(csv, language='german', separator=';', decimal=','),
    ),
    '1 Hz GNSS errors, table of an unknown language': Shape(
        recorder=Recorder(rate_hz=1.0, errors=GNSS), written=partial(csv, language='unknown', separator='\t')
    ),
}


def seconds(work: Callable[[], object]) -> float:
    begin = time.perf_counter()
    work()
    return time.perf_counter() - begin


def hour(rate_hz: float, errors: object = GNSS) -> tuple[str, list]:
    """Ten laps, an hour or near it."""
    flight = scenario_flight('ten-laps', field_data=field_files()['lant'], seed=8)
    recording = record(flight, Recorder(rate_hz=rate_hz, errors=errors), np.random.default_rng(1))  # type: ignore[arg-type]
    return gpx(recording), runways_of(flight.ground.geojson, on=DAY)


def repeated(text: str, times: int) -> str:
    """A longer file: the same flight again and again, each later than the one before."""
    head, _, rest = text.partition('<trkpt')
    points = ('<trkpt' + rest).rpartition('</trkseg>')[0].splitlines()
    out, base = [head], np.datetime64('2026-05-14T00:00:00', 'ms')
    first = np.datetime64(points[0].split('<time>')[1][:23], 'ms')
    length = np.datetime64(points[-1].split('<time>')[1][:23], 'ms') - first + np.timedelta64(20_000, 'ms')
    for number in range(times):
        for point in points:
            before, after = point.split('<time>')
            moment = np.datetime64(after[:23], 'ms') - first + base + number * length
            out.append(f'{before}<time>{moment}Z{after.partition("Z")[2]}')
    return '\n'.join([*out, '</trkseg></trk></gpx>'])


def left_on(text: str, hours: float) -> str:
    """The same file of a recorder that nobody switched off: it stands and goes on writing, its place wandering."""
    body = text.rpartition('</trkseg>')[0]
    last = body.splitlines()[-1]
    moment = np.datetime64(last.split('<time>')[1][:23], 'ms')
    first = np.datetime64(body.split('<time>', 1)[1][:23], 'ms')
    missing = int(hours * 3600 - (moment - first) / np.timedelta64(1, 's'))
    lat, lon = (float(last.split(f'{name}="')[1].split('"')[0]) for name in ('lat', 'lon'))
    wander = np.cumsum(np.random.default_rng(2).normal(0, 2e-7, (missing, 2)), axis=0)
    out = [body.rstrip()]
    for k, (north, east) in enumerate(wander, start=1):
        out.append(
            f'<trkpt lat="{lat + north:.8f}" lon="{lon + east:.8f}"><ele>11.6</ele>'
            f'<time>{moment + np.timedelta64(1000 * k, "ms")}Z</time></trkpt>'
        )
    return '\n'.join([*out, '</trkseg></trk></gpx>'])


def speed() -> None:
    text, runways = hour(10.0)
    data = text.encode()
    count = read_track(data).count
    ours, peer = [], []
    for _ in range(5):
        ours.append(seconds(lambda: as_dict(analyse(read_track(data), runways))))
        peer.append(seconds(lambda: gpxpy.parse(text)))
    laps = len(analyse(read_track(data), runways).laps)
    a, b = float(np.median(ours)), float(np.median(peer))
    print(
        f'{count} fixes at 10 Hz, {laps} laps: read and analysed {a:.2f} s, '
        f'gpxpy reads alone {b:.2f} s: ratio {a / b:.2f}'
    )
    slow, _ = hour(1.0)
    for times in (1, 2, 4, 8):
        longer = repeated(slow, times).encode()
        track = read_track(longer)
        spent = seconds(lambda longer=longer: as_dict(analyse(read_track(longer), runways)))  # type: ignore[misc]
        hours = (track.time_s[-1] - track.time_s[0]) / 3600
        print(f'{hours:5.1f} h at 1 Hz, {track.count} fixes, {len(analyse(track, runways).laps)} laps: {spent:.2f} s')
    for laps, times in ((10, 1), (40, 4)):
        day = left_on(repeated(slow, times), 23.9).encode()
        spent = seconds(lambda day=day: as_dict(analyse(read_track(day), runways)))  # type: ignore[misc]
        print(f' 23.9 h at 1 Hz, {read_track(day).count} fixes, {laps} laps, then left on: {spent:.2f} s, budget 3 s')
    for name, file in (('10 Hz hour', data), ('8 flights of an hour at 1 Hz', longer), ('23.9 h at 1 Hz', day)):
        print(f'most memory, {name}: {memory_mb(file):.0f} MB, budget 300 MB')


# a process that does nothing else: this one has flown the flights, and loaded what that takes
MEMORY = """
import re, sys
from datetime import date
from bullseye.demo.fleet import field_files
from bullseye.tracks.analyse import analyse
from bullseye.tracks.fields import runways_of
from bullseye.tracks.readers import read_track
from bullseye.tracks.report import as_dict
runways = runways_of(field_files()['lant'], on=date.fromisoformat(sys.argv[1]))
as_dict(analyse(read_track(sys.stdin.buffer.read()), runways))
# of this program alone; ru_maxrss would count what the process was before it became this program
print(int(re.search(r'VmHWM:\\s+(\\d+)', open('/proc/self/status').read())[1]) / 1024)
"""


def memory_mb(data: bytes) -> float:
    command = [sys.executable, '-c', MEMORY, DAY.isoformat()]
    return float(subprocess.run(command, input=data, capture_output=True, check=True).stdout)


@lru_cache(maxsize=8)
def flown(seed: int, habits: tuple[str, ...]) -> Flown:
    """A flight, kept for the devices that look at it in turn."""
    return any_flight(seed, **dict.fromkeys(habits, True))


def flight_errors(task: tuple[int, str]) -> dict[str, list]:
    """Errors of one flight as one recorder saw it."""
    seed, name = task
    shape = CLASSES[name]
    flight = flown(seed, tuple(sorted(shape.flown)))
    recording = record(flight, shape.recorder, np.random.default_rng(seed))
    found = analyse(read_track(shape.written(recording).encode()), runways_of(flight.ground.geojson, on=DAY))
    base, used = recording.start.timestamp(), set()
    out: dict[str, list] = {'touch': [], 'missed': [], 'go': [], 'go_missed': [], 'wrong': [], 'liftoff': []}
    for truth in flight.events:
        wide = max(12, 1.5 / shape.recorder.rate_hz) if truth['kind'] in ('touchdown', 'takeoff') else 45
        near = [
            (abs(event.time_s - base - truth['time_s']), k)
            for k, event in enumerate(found.events)
            if k not in used and _alike(event.kind, truth['kind'])
        ]
        hit = min(near, default=(1e9, 0))
        going = truth['kind'] in ('go_around', 'low_approach')
        if hit[0] > wide:
            out['go_missed' if going else 'missed'].append(truth['kind'])
            continue
        used.add(hit[1])
        event = found.events[hit[1]]
        out['wrong'].append(event.runway not in (truth['runway'], None))
        if truth['kind'] == 'touchdown' and event.along_ft is not None:
            error = event.along_ft - truth['along_ft']
            share = abs((event.hold_off.float_ft or 0) - truth['float_ft'])
            out['touch'].append(
                (error, event.uncertainty_ft, share, share / max(truth['float_ft'], 1), truth['bounces'])
            )
        elif truth['kind'] == 'takeoff' and event.along_ft is not None:
            out['liftoff'].append((event.along_ft - truth['along_ft'], event.uncertainty_ft))
        elif going:
            out['go'].append(event.kind == truth['kind'])
    out['false'] = [event.kind for k, event in enumerate(found.events) if k not in used]
    return out


def _alike(found: str, true: str) -> bool:
    going = {'go_around', 'low_approach'}
    return found == true or (found in going and true in going)


HEADS = (
    *('recorder', 'touchdowns', 'median ft', '95 % ft', 'bias ft', '± holds', '± median ft', 'float median'),
    *('lift-off median ft', '± holds', 'touchdowns found', 'false', 'take-offs found', 'go-arounds', 'runway right'),
)


def accuracy(flights: int, only: str) -> None:
    print('| ' + ' | '.join(HEADS) + ' |')
    print('|---' * len(HEADS) + '|')
    names = [name for name in CLASSES if name.startswith(only)]
    with multiprocessing.Pool(2) as pool:  # a flight is flown once for all the devices that look at it
        results = pool.map(partial(all_of, names), range(FIRST_SEED, FIRST_SEED + flights), chunksize=2)
    for name in names:
        print(f'| {name} | {" | ".join(cells([one[name] for one in results]))} |', flush=True)


def all_of(names: Sequence[str], seed: int) -> dict[str, dict[str, list]]:
    return {name: flight_errors((seed, name)) for name in names}


def cells(results: Sequence[Mapping[str, list]]) -> list[str]:
    """One line of the table."""

    def kinds(key: str, kind: str) -> int:
        return sum(one == kind for result in results for one in result[key])

    touch = np.array([row for one in results for row in one['touch']], dtype=float).reshape(-1, 5)
    lift = np.array([row for one in results for row in one['liftoff']], dtype=float).reshape(-1, 2)
    gone, lost = (sum(len(one[key]) for one in results) for key in ('go', 'go_missed'))
    wrong = [bad for one in results for bad in one['wrong']]
    missed, false = kinds('missed', 'touchdown'), kinds('false', 'touchdown')
    stayed = kinds('missed', 'takeoff')
    error = np.abs(touch[:, 0])
    told = ['', '–', '–', '–', '–', '–', '–']
    told[0] = str(len(touch))
    if len(touch):
        told[1:] = [
            f'{np.median(error):.1f}',
            f'{np.percentile(error, 95):.0f}',
            f'{touch[:, 0].mean():+.0f}',
            f'{np.mean(error <= touch[:, 1]):.1%}',
            f'{np.median(touch[:, 1]):.0f}',
            f'{np.median(touch[:, 2]):.0f} ft, {np.median(touch[:, 3]):.0%}',
        ]
    off = np.abs(lift[:, 0])
    told += [f'{np.median(off):.0f}', f'{np.mean(off <= lift[:, 1]):.1%}'] if len(lift) else ['–', '–']
    return [
        *told,
        f'{len(touch)} of {len(touch) + missed}',
        str(false),
        f'{len(lift)} of {len(lift) + stayed}',
        f'{gone} of {gone + lost}',
        f'{len(wrong) - sum(wrong)} of {len(wrong)}',
    ]


def wind(flights: int) -> None:
    """How well the turns tell the headwind near the ground, and what airspeed a groundspeed makes with it."""
    print('| recorder | laps | headwind median kt | 95 % kt | bias kt | ± holds | ± median kt |', end='')
    print(' airspeed 95 % kt | ± holds | counts | of these 95 % kt | ± holds |')
    print('|---' * 12 + '|')
    for name in ('1 Hz GNSS errors', '5 Hz GNSS errors'):
        with multiprocessing.Pool(2) as pool:
            tasks = [(seed, name) for seed in range(FIRST_SEED, FIRST_SEED + flights)]
            rows = np.array([row for found in pool.map(wind_errors, tasks, chunksize=2) for row in found])
        head, speed_off = np.abs(rows[:, 0]), np.abs(rows[:, 2])
        counts = rows[:, 3] <= WORST['threshold_speed_kias']
        cells = [
            name,
            str(len(rows)),
            f'{np.median(head):.1f}',
            f'{np.percentile(head, 95):.1f}',
            f'{rows[:, 0].mean():+.1f}',
            f'{np.mean(head <= rows[:, 1]):.1%}',
            f'{np.median(rows[:, 1]):.1f}',
            f'{np.percentile(speed_off, 95):.1f}',
            f'{np.mean(speed_off <= rows[:, 3]):.1%}',
            f'{np.mean(counts):.0%}',
            f'{np.percentile(speed_off[counts], 95):.1f}',
            f'{np.mean(speed_off[counts] <= rows[counts, 3]):.1%}',
        ]
        print(f'| {" | ".join(cells)} |', flush=True)


def wind_errors(task: tuple[int, str]) -> list[tuple[float, float, float, float]]:
    """Of each landing whose wind nobody gave: error and half-width of the headwind, and of the airspeed [kt]."""
    seed, name = task
    shape = CLASSES[name]
    flight = flown(seed, tuple(sorted(shape.flown)))
    recording = record(flight, shape.recorder, np.random.default_rng(seed))
    found = analyse(read_track(shape.written(recording).encode()), runways_of(flight.ground.geojson, on=DAY))
    report, out = report_of(found), []
    for k, event in enumerate(report.events):
        around = around_of(report, k) if event.kind == 'touchdown' and event.runway else None
        if around is None or around.wind is None or around.threshold_groundspeed_kt is None:
            continue
        course_rad = flight.ground.strips[event.runway].course_rad
        asked = request_in_no_wind(float(np.degrees(course_rad)) % 360)
        told = lap_wind(asked, read=None, aloft=around.wind)
        height_ft = around.threshold_height_ft
        speed = speed_by_ground(around.threshold_groundspeed_kt, asked, told, height_ft=height_ft)
        if told is None or speed is None:
            continue
        north, east = flight.wind.at(33.0)
        true_head_kt = -(north * np.cos(course_rad) + east * np.sin(course_rad)) / FPS_PER_KT
        moment = np.searchsorted(flight.states['time_s'], event.time_s - recording.start.timestamp())
        along, _ = flight.ground.strips[event.runway].from_plane(flight.states['n_ft'], flight.states['e_ft'])
        over = moment - 1 - np.argmax(along[:moment][::-1] < 0)
        table = asked.flap_setting.airspeed_table
        true_kias = table.indicated_kt(float(flight.states['airspeed_kt'][over]))
        out.append((told.headwind_kt - true_head_kt, told.half_kt, speed.value - true_kias, speed.half_width))
    return out


def request_in_no_wind(course_deg_true: float) -> BriefRequest:
    """A landing at sea level on a standard day, of which nobody has given the wind."""
    runway = {'ident': '05', 'course_deg_true': course_deg_true, 'length_ft': 5_000, 'width_ft': 60, 'elevation_ft': 0}
    asked = {
        'aircraft': 'Marram 160',
        'runway': runway,
        'weather': {'wind_kt': 0, 'temperature_c': 15, 'qnh_hpa': 1013.25, 'given': 'never'},
        'weight_lb': 2_400,
        'landing': 'normal',
        'standard': 'us_private',
        'spot_ft': 600,
    }
    return parse_request(asked, aircraft_by_name=AIRCRAFT)


if __name__ == '__main__':
    if sys.argv[1:2] == ['wind']:
        wind(int(sys.argv[2]) if len(sys.argv) > 2 else 200)
    elif sys.argv[1:2] == ['accuracy']:
        accuracy(int(sys.argv[2]) if len(sys.argv) > 2 else 200, sys.argv[3] if len(sys.argv) > 3 else '')
    else:
        speed()
