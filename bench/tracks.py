"""Speed and accuracy of the analysis of tracks, over simulated flights that nothing was tuned on.

    PYTHONPATH=src .venv/bin/python bench/tracks.py speed
    PYTHONPATH=src .venv/bin/python bench/tracks.py accuracy [flights]

Speed is told against gpxpy reading the same file, run in turn (ABAB). Accuracy is told as a table.
"""

from __future__ import annotations

import multiprocessing
import subprocess
import sys
import time
from collections.abc import Callable
from datetime import date

import gpxpy
import numpy as np

from bullseye.demo.fleet import field_files
from bullseye.sim.recorder import CLEAN, GNSS, Recorder, record
from bullseye.sim.scenarios import any_flight, scenario_flight
from bullseye.sim.writers import gpx
from bullseye.tracks.analyse import analyse
from bullseye.tracks.fields import runways_of
from bullseye.tracks.readers import read_track
from bullseye.tracks.report import as_dict

DAY = date(2026, 5, 14)
FIRST_SEED = 100_000  # tuning used seeds below 10,000
CLASSES = {
    '10 Hz clean': (10.0, CLEAN),
    '1 Hz clean': (1.0, CLEAN),
    '1 Hz GNSS errors': (1.0, GNSS),
    '10 Hz GNSS errors': (10.0, GNSS),
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


def flight_errors(task: tuple[int, str]) -> dict[str, list]:
    """Errors of one flight as one recorder saw it."""
    seed, name = task
    rate, errors = CLASSES[name]
    flight = any_flight(seed)
    recording = record(flight, Recorder(rate_hz=rate, errors=errors), np.random.default_rng(seed))
    found = analyse(read_track(gpx(recording).encode()), runways_of(flight.ground.geojson, on=DAY))
    base, used = recording.start.timestamp(), set()
    out: dict[str, list] = {'touch': [], 'missed': [], 'go': [], 'go_missed': [], 'wrong': [], 'liftoff': []}
    for truth in flight.events:
        wide = 12 if truth['kind'] in ('touchdown', 'takeoff') else 45
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
        out['wrong'].append(event.runway != truth['runway'])
        if truth['kind'] == 'touchdown' and event.along_ft is not None:
            error = event.along_ft - truth['along_ft']
            share = abs((event.hold_off.float_ft or 0) - truth['float_ft'])
            out['touch'].append(
                (error, event.uncertainty_ft, share, share / max(truth['float_ft'], 1), truth['bounces'])
            )
        elif truth['kind'] == 'takeoff' and event.along_ft is not None:
            out['liftoff'].append(event.along_ft - truth['along_ft'])
        elif going:
            out['go'].append(event.kind == truth['kind'])
    out['false'] = [event.kind for k, event in enumerate(found.events) if k not in used]
    return out


def _alike(found: str, true: str) -> bool:
    going = {'go_around', 'low_approach'}
    return found == true or (found in going and true in going)


def accuracy(flights: int) -> None:
    heads = 'recorder, touchdowns, median ft, 95 % ft, ± holds, ± median ft, float median, lift-off median ft, '
    heads += 'found, false, go-arounds, runway right'
    print('| ' + heads.replace(', ', ' | ') + ' |')
    print('|---' * 12 + '|')
    for name in CLASSES:
        with multiprocessing.Pool(2) as pool:
            results = pool.map(flight_errors, [(FIRST_SEED + k, name) for k in range(flights)], chunksize=2)
        touch = np.array([row for one in results for row in one['touch']], dtype=float)
        missed = sum(kind == 'touchdown' for one in results for kind in one['missed'])
        false = sum(kind == 'touchdown' for one in results for kind in one['false'])
        gone, lost = (sum(len(one[key]) for one in results) for key in ('go', 'go_missed'))
        wrong = [bad for one in results for bad in one['wrong']]
        lift = np.abs([row for one in results for row in one['liftoff']])
        error = np.abs(touch[:, 0])
        print(
            f'| {name} | {len(touch)} | {np.median(error):.1f} | {np.percentile(error, 95):.0f} '
            f'| {np.mean(error <= touch[:, 1]):.1%} | {np.median(touch[:, 1]):.0f} '
            f'| {np.median(touch[:, 2]):.0f} ft, {np.median(touch[:, 3]):.0%} | {np.median(lift):.0f} '
            f'| {len(touch) / (len(touch) + missed):.2%} | {false / (len(touch) + false):.2%} '
            f'| {gone / max(gone + lost, 1):.1%} of {gone + lost} | {1 - np.mean(wrong):.2%} |',
            flush=True,
        )


if __name__ == '__main__':
    if sys.argv[1:2] == ['accuracy']:
        accuracy(int(sys.argv[2]) if len(sys.argv) > 2 else 200)
    else:
        speed()
