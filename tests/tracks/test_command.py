"""``./bullseye analyse`` and ``./bullseye sim`` as they are used."""

from __future__ import annotations

import csv
import gzip
import io
import json
import socket
import subprocess
import sys
import threading
from pathlib import Path

import gpxpy
import numpy as np
import pytest

from bullseye.cli import main
from bullseye.sim.gps import listen, stream
from bullseye.sim.writers import write
from bullseye.tracks.readers import read_track

from .making import LANTERN, flown, recorded

ROOT = Path(__file__).resolve().parents[2]
LANT = ('--field', 'field.geojson', '--spot', '05:300')


@pytest.fixture(scope='module')
def folder(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """A lesson as the simulator writes it, with its field and its truth."""
    made = tmp_path_factory.mktemp('tracks')
    options = '--scenario mixed --seed 5 --rate 2 --errors clean --format nmea'
    files = f'-o {made}/lesson.nmea --truth {made}/truth.json --field-out {made}/field.geojson'
    assert main(f'sim flight {options} {files}'.split()) == 0
    return made


def test_one_entry_runs_it_and_prints_json(folder: Path) -> None:
    """The whole way, in a process of its own."""
    done = subprocess.run(
        [ROOT / 'bullseye', 'analyse', folder / 'lesson.nmea', *LANT, '--json', '--aircraft', 'Marram 160'],
        cwd=folder,
        capture_output=True,
        text=True,
        check=True,
        timeout=120,
    )
    found, truth = json.loads(done.stdout), json.loads((folder / 'truth.json').read_text())
    assert [e['kind'] for e in found['events'] if e['kind'] != 'takeoff'] == [
        e['kind'] for e in truth['events'] if e['kind'] != 'takeoff'
    ]
    for event, true in zip(
        [e for e in found['events'] if e['kind'] == 'touchdown'],
        [e for e in truth['events'] if e['kind'] == 'touchdown'],
        strict=True,
    ):
        assert event['along_ft'] == pytest.approx(true['along_ft'], abs=120)
        assert event['from_spot_ft'] == pytest.approx(event['along_ft'] - 300, abs=0.2)
        assert event['then'] == true['then']
        assert (event['field'], event['runway']) == ('LANT', '05')
        assert event['time'][:19] == true['time'][:19] or abs(event['along_ft'] - true['along_ft']) < 120
        assert event['airspeed_kt'] is None
    assert found['laps']
    assert found['warnings'] == []


def test_a_table_for_people(folder: Path, capsys: pytest.CaptureFixture[str]) -> None:
    assert (
        main(['analyse', str(folder / 'lesson.nmea'), '--field', str(folder / 'field.geojson'), '--spot', '05:300'])
        == 0
    )
    out = capsys.readouterr().out
    assert 'LANT 05' in out
    assert 'stop-and-go' in out
    assert 'Wind by the turns' in out


def test_many_files_side_by_side_one_json_each(folder: Path, capsys: pytest.CaptureFixture[str]) -> None:
    """A broken one among them is told, and stops nothing."""
    files = []
    for seed in (1, 2):
        path = folder / f'lap{seed}.csv.gz'
        path.write_bytes(gzip.compress(write(recorded(flown('full-stop', seed)), 'csv').encode()))
        files.append(str(path))
    (folder / 'broken.gpx').write_text('<gpx>')
    out = folder / 'out'
    code = main(f'analyse --field {folder}/field.geojson --jobs 2 --out {out} {folder}/broken.gpx'.split() + files)
    assert code == 2
    assert 'broken.gpx' in capsys.readouterr().err
    assert sorted(path.name for path in out.iterdir()) == ['lap1.csv.json', 'lap2.csv.json']
    for path in out.iterdir():
        assert [e['kind'] for e in json.loads(path.read_text())['events']] == ['takeoff', 'touchdown']


def test_events_and_the_cleaned_track_come_out_in_open_formats(
    folder: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    ask = ['analyse', str(folder / 'lesson.nmea'), '--field', str(folder / 'field.geojson'), '--as']
    assert main([*ask, 'json']) == 0
    whole = json.loads(capsys.readouterr().out)
    assert main([*ask, 'csv']) == 0
    rows = list(csv.DictReader(io.StringIO(capsys.readouterr().out)))
    assert [row['kind'] for row in rows] == [event['kind'] for event in whole['events']]
    assert float(rows[0]['along_ft']) == whole['events'][0]['along_ft']
    assert rows[0]['sink_fpm'] == ''  # unknown stays empty
    assert main([*ask, 'geojson']) == 0
    points = json.loads(capsys.readouterr().out)['features']
    assert [one['properties']['time'] for one in points] == [event['time'] for event in whole['events']]
    assert main([*ask, 'gpx']) == 0
    text = capsys.readouterr().out
    track = read_track(text.encode())
    assert track.count == whole['fixes']
    assert len(gpxpy.parse(text).tracks[0].segments[0].points) == track.count
    # the heights have been tied to the runway: 38 ft above the sea
    assert float(np.median(track.height_ft[:60])) == pytest.approx(38, abs=6)


def test_columns_are_shown_and_taken_back(folder: Path, capsys: pytest.CaptureFixture[str]) -> None:
    path = folder / 'log.csv'
    path.write_text(write(recorded(flown('full-stop'), rate_hz=1.0), 'csv'))
    assert main(['analyse', str(path), '--show-columns']) == 0
    shown = json.loads(capsys.readouterr().out)
    assert {one['role'] for one in shown['columns']} >= {'time', 'latitude', 'longitude', 'height', 'speed'}
    (folder / 'columns.json').write_text(json.dumps(shown))
    arguments = ['analyse', str(path), '--field', str(folder / 'field.geojson'), '--json']
    assert main([*arguments, '--columns', str(folder / 'columns.json')]) == 0
    told = json.loads(capsys.readouterr().out)
    assert main(arguments) == 0
    assert json.loads(capsys.readouterr().out)['events'] == told['events']


@pytest.mark.parametrize(
    ('arguments', 'words'),
    [
        (['{track}', '--spot', 'there'], '--spot'),
        (['{track}', '--spot', '99:100'], '99'),
        (['{track}', '--field', '{track}'], 'not readable as JSON'),
        (['{track}', '--field', 'nowhere.geojson'], 'nowhere.geojson'),
        (['nowhere.gpx'], 'nowhere.gpx'),
        (['{track}', '--jobs', '0'], '--jobs'),
        (['{track}', '--columns', '{field}'], 'Columns cannot be empty'),
        (['{field}'], 'no positions of a tablet'),
    ],
)
def test_refusals_are_one_clear_line(
    folder: Path, capsys: pytest.CaptureFixture[str], arguments: list[str], words: str
) -> None:
    filled = [one.format(track=folder / 'lesson.nmea', field=folder / 'field.geojson') for one in arguments]
    assert main(['analyse', *filled]) == 2
    err = capsys.readouterr().err
    assert words in err
    assert 'Traceback' not in err
    assert len(err.strip().splitlines()) == 1


def test_a_field_that_is_none_is_refused(folder: Path, capsys: pytest.CaptureFixture[str]) -> None:
    for number, data in enumerate(({}, [], {'type': 'FeatureCollection', 'features': [{'geometry': None}]}, 7)):
        path = folder / f'none{number}.geojson'
        path.write_text(json.dumps(data))
        assert main(['analyse', str(folder / 'lesson.nmea'), '--field', str(path)]) == 2
        assert 'Traceback' not in capsys.readouterr().err


def test_the_simulator_refuses_what_makes_no_sense(capsys: pytest.CaptureFixture[str]) -> None:
    for arguments in (
        ['--rate', '0'],
        ['--field', 'nowhere'],
        ['--runway', '99'],
        ['--dropout', 'soon'],
        ['-o', '/nowhere/at/all.gpx'],
    ):
        assert main(['sim', 'flight', '--scenario', 'taxi', *arguments]) == 2
        assert capsys.readouterr().err
    assert main(['sim', 'gps', '--tcp', 'here']) == 2


def test_the_same_seed_is_the_same_flight_another_another(tmp_path: Path) -> None:
    for name, seed in (('a', '1'), ('b', '1'), ('c', '2')):
        main(['sim', 'flight', '--scenario', 'straight-in', '--seed', seed, '-o', str(tmp_path / name)])
    texts = [(tmp_path / name).read_text() for name in 'abc']
    assert texts[0] == texts[1] != texts[2]


def test_the_receiver_streams_what_a_reader_can_read() -> None:
    """NMEA over TCP, a thousand times as fast as it was flown."""
    recording = recorded(flown('straight-in'), rate_hz=1.0)
    with listen('127.0.0.1', 0) as server:
        sent: list[int] = []
        worker = threading.Thread(target=lambda: sent.append(stream(server, recording, speed=1_000)))
        worker.start()
        got = b''
        with socket.create_connection(server.getsockname(), timeout=20) as reader:
            while piece := reader.recv(65_536):
                got += piece
        worker.join(20)
    assert sent == [recording.time_s.size]
    assert read_track(got).count == recording.time_s.size


def test_a_reader_that_leaves_ends_the_stream() -> None:
    recording = recorded(flown('straight-in'), rate_hz=10.0)
    with listen('127.0.0.1', 0) as server:
        sent: list[int] = []
        worker = threading.Thread(target=lambda: sent.append(stream(server, recording, speed=100)))
        worker.start()
        with socket.create_connection(server.getsockname(), timeout=20) as reader:
            reader.recv(100)
        worker.join(20)
    assert 0 < sent[0] < recording.time_s.size


def test_the_streaming_command_says_where_it_waits() -> None:
    with socket.create_server(('127.0.0.1', 0)) as probe:
        port = probe.getsockname()[1]
    program = [sys.executable, '-m', 'bullseye.cli', 'sim', 'gps', '--tcp', f'127.0.0.1:{port}', '--speed', '1000']
    with subprocess.Popen(
        [*program, '--scenario', 'taxi'],
        stdout=subprocess.PIPE,
        text=True,
        cwd=ROOT,
        env={'PYTHONPATH': str(ROOT / 'src')},
    ) as process:
        assert process.stdout is not None
        assert str(port) in process.stdout.readline()
        with socket.create_connection(('127.0.0.1', port), timeout=20) as reader:
            assert reader.recv(6) == b'$GPGGA'
        process.terminate()


def test_the_field_of_the_simulator_is_the_demo_field(folder: Path) -> None:
    assert json.loads((folder / 'field.geojson').read_text()) == LANTERN
