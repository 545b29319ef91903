"""Reading tracks: what is written is read back, other libraries agree, and nothing a file holds does harm."""

from __future__ import annotations

import gzip
import io
import math
from dataclasses import replace
from datetime import UTC, datetime
from typing import Any

import aerofiles.igc
import gpxpy
import numpy as np
import pynmea2
import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from bullseye.core.basis.errors import InvalidInput
from bullseye.sim import writers
from bullseye.sim.recorder import Recording
from bullseye.tracks.readers import read_track, unpacked
from bullseye.tracks.readers.columns import columns_from_dict, guess_columns, unit_of
from bullseye.tracks.readers.csvdetect import detect
from bullseye.tracks.readers.csvtrack import template
from bullseye.tracks.track import MOST_BYTES, Track, UnreadableTrack

from .making import flown, recorded

# What each format can hold: seconds, degrees, feet, knots [its own digits as the writers use them]
RESOLUTION = {
    'gpx': (0.0006, 1e-8, 0.002, 0.002),
    'igc': (0.0006, 1.1e-7, 1.7, 0.006),
    'nmea': (0.0006, 1.1e-8, 0.002, 0.001),
    'csv': (0.0006, 1e-8, 0.006, 0.001),
}


def recording(
    *, lat: float, lon: float, height_ft: float, start: datetime, seconds: np.ndarray, speed: float = 60.0
) -> Recording:
    count = seconds.size
    step = np.arange(count) * 1e-4
    return Recording(
        start=start,
        time_s=seconds,
        lat_deg=np.clip(lat + step, -84, 84),
        lon_deg=(lon + step + 180) % 360 - 180,
        height_ft=height_ft + np.arange(count) * 1.5,
        speed_kt=np.full(count, speed),
        course_deg=np.full(count, 123.45),
        airspeed_kt=None,
        heading_deg=None,
        pitch_deg=None,
        bank_deg=None,
        truth={'events': []},
    )


def differs(track: Track, made: Recording) -> tuple[float, float, float, float]:
    """The greatest difference in time, place, height and speed."""
    base = made.start.timestamp()
    lon = np.abs((track.lon_deg - made.lon_deg + 180) % 360 - 180)
    return (
        float(np.abs(track.time_s - base - made.time_s).max()),
        float(max(np.abs(track.lat_deg - made.lat_deg).max(), lon.max())),
        float(np.abs(track.height_ft - made.height_ft).max()),
        float(np.nanmax(np.abs(track.speed_kt - made.speed_kt))),
    )


@pytest.mark.parametrize('form', writers.FORMATS)
@settings(max_examples=25, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(data=st.data())
def test_what_is_written_is_read_back(form: str, data: st.DataObject) -> None:
    made = recording(
        lat=data.draw(st.floats(-80, 80)),
        lon=data.draw(st.floats(-180, 179.99)),
        height_ft=data.draw(st.floats(-1_000, 12_000)),
        start=data.draw(
            st.datetimes(datetime(2001, 1, 1), datetime(2039, 12, 31, 23, 59, 59), timezones=st.just(UTC))
        ).replace(microsecond=0),
        seconds=np.cumsum(data.draw(st.lists(st.sampled_from([0.05, 0.2, 1.0, 7.0]), min_size=6, max_size=40))),
    )
    track = read_track(writers.write(made, form).encode())
    assert track.format == form
    for found, allowed in zip(differs(track, made), RESOLUTION[form], strict=True):
        assert found <= allowed


@pytest.mark.parametrize('form', writers.FORMATS)
def test_midnight_and_the_date_line_are_crossed(form: str) -> None:
    made = recording(
        lat=-84 + 1,
        lon=179.9995,
        height_ft=-120,
        start=datetime(2026, 12, 31, 23, 59, 55, tzinfo=UTC),
        seconds=np.arange(12.0),
    )
    track = read_track(gzip.compress(writers.write(made, form).encode()))
    found = differs(track, made)
    assert found[0] < 0.001
    assert found[1] < 2e-7
    assert track.lon_deg[0] > 179
    assert track.lon_deg[-1] < -179


def test_gpx_agrees_with_gpxpy() -> None:
    """[pub: gpxpy, a general reader of GPX]"""
    text = writers.gpx(recorded(flown('full-stop'), rate_hz=0.2))
    theirs = [point for track in gpxpy.parse(text).tracks for point in track.segments[0].points]
    ours = read_track(text.encode())
    assert ours.count == len(theirs)
    assert np.allclose(ours.lat_deg, [point.latitude for point in theirs], atol=1e-12)
    assert np.allclose(ours.height_ft * 0.3048, [point.elevation for point in theirs], atol=1e-9)
    assert np.allclose(ours.time_s, [point.time.timestamp() for point in theirs], atol=1e-5)


def test_igc_agrees_with_aerofiles() -> None:
    """[pub: aerofiles, a general reader of IGC]; it knows the extension of the digits, ours adds them."""
    text = writers.igc(recorded(flown('full-stop'), rate_hz=0.2))
    theirs = aerofiles.igc.Reader().read(io.StringIO(text))['fix_records'][1]
    ours = read_track(text.encode())
    assert ours.count == len(theirs)
    assert np.allclose(ours.height_ft * 0.3048, [fix['gps_alt'] for fix in theirs], atol=1e-6)
    assert np.allclose(ours.lat_deg, [fix['lat'] for fix in theirs], atol=2e-5)
    assert np.allclose(
        np.floor(ours.time_s + 1e-4), [fix['datetime'].replace(microsecond=0).timestamp() for fix in theirs]
    )


def test_nmea_agrees_with_pynmea2() -> None:
    """[pub: pynmea2, a general reader of NMEA 0183]"""
    text = writers.nmea(recorded(flown('full-stop'), rate_hz=0.2))
    theirs = [pynmea2.parse(line, check=True) for line in text.splitlines() if 'RMC' in line]
    ours = read_track(text.encode())
    assert ours.count == len(theirs)
    assert np.allclose(ours.lat_deg, [one.latitude for one in theirs], atol=1e-9)
    assert np.allclose(ours.lon_deg, [one.longitude for one in theirs], atol=1e-9)
    assert np.allclose(ours.speed_kt, [one.spd_over_grnd for one in theirs], atol=1e-9)
    assert np.allclose(ours.time_s, [one.datetime.timestamp() for one in theirs], atol=1e-3)


def test_gpx_without_speed_and_in_its_older_form() -> None:
    points = ''.join(
        f'<trkpt lat="47.{k}" lon="-38.{k}"><ele>{k}</ele><course>90</course><speed>30</speed>'
        f'<time>2026-05-14T10:00:{k:02d}+02:00</time></trkpt>'
        for k in range(6)
    )
    older = read_track(
        f'<gpx version="1.0" xmlns="http://www.topografix.com/GPX/1/0"><trk><trkseg>{points}</trkseg></trk></gpx>'.encode()
    )
    assert older.speed_kt[0] == pytest.approx(58.3, abs=0.05)  # 30 m/s
    assert older.time_s[0] == datetime(2026, 5, 14, 8, 0, tzinfo=UTC).timestamp()
    bare = points.replace('<course>90</course><speed>30</speed>', '')
    half = len(bare) // 6 * 3
    cut = bare.index('<trkpt', half - 20)
    both = read_track(f'<gpx><trk><trkseg>{bare[:cut]}</trkseg><trkseg>{bare[cut:]}</trkseg></trk></gpx>'.encode())
    assert not both.has('speed_kt')
    assert '2 segments were read as one track' in both.warnings


def test_nmea_with_gaps_faults_and_only_one_kind_of_sentence() -> None:
    made = recorded(flown('full-stop'), rate_hz=0.2)
    lines = writers.nmea(made).splitlines()
    lines[7] = lines[7].replace('A', 'B', 1)  # a wrong checksum
    lines[12] = '$GPGGA,120000.000,,,,,0,00,,,M,,M,,'  # no fix
    lines.insert(20, 'noise \x00 from the line')
    track = read_track('\n'.join(lines).encode())
    assert any('checksum' in words for words in track.warnings)
    assert any('valid place' in words for words in track.warnings)
    only = read_track('\n'.join(line for line in lines if 'GGA' in line).encode())
    assert not only.dated
    assert not only.has('speed_kt')
    assert np.all(np.diff(only.time_s) > 0)
    rmc = read_track('\n'.join(line for line in lines if 'RMC' in line).encode())
    assert rmc.dated
    assert not rmc.has('height_ft')


def test_an_older_igc_with_pressure_heights_only() -> None:
    text = 'AXBE001\nHFDTE140526\nHFFTYFRTYPE:Old,logger\n' + ''.join(
        f'B1000{k:02d}4712345N03823456WA0{k:04d}00000\n' for k in range(8)
    )
    track = read_track(text.encode())
    assert track.height_ft[3] == pytest.approx(3 / 0.3048)
    assert track.lat_deg[0] == pytest.approx(47 + 12.345 / 60)
    assert track.lon_deg[0] == pytest.approx(-(38 + 23.456 / 60))
    assert any('pressure' in words for words in track.warnings)
    assert track.device == 'Old,logger'


def columns(track: Track) -> tuple[float, ...]:
    return tuple(float(getattr(track, name)[2]) for name in ('lat_deg', 'height_ft', 'speed_kt'))


@pytest.mark.parametrize(
    ('head', 'row'),
    [
        ('time,latitude,longitude,altitude (ft),ground speed (kt)', '2026-05-14T10:00:{k:02d}Z,47.{k},-38.{k},1000,60'),
        ('Date;Time;Lat;Lon;Alt [m];Speed [km/h]', '14.05.2026;10:00:{k:02d};47,{k};-38,{k};304,8;111,12'),
        (
            '#Lcl Date,Lcl Time,UTCOfst,Latitude,Longitude,AltGPS,GndSpd\n#yyyy-mm-dd,hh:mm:ss,hh:mm,deg,deg,ft msl,kt',
            '2026-05-14,12:00:{k:02d},+02:00,47.{k},-38.{k},1000,60',
        ),
        ('unix\tlat\tlng\televation_ft\tgs_mph', '17787528{k:02d}\t47.{k}\t-38.{k}\t1000\t69.0468'),
        ('timestamp|LAT|LON|gps altitude|velocity (m/s)', '2026-05-14 10:00:{k:02d}|47.{k}|-38.{k}|304.8|30.8667'),
    ],
)
def test_csv_of_any_kind(head: str, row: str) -> None:
    text = head + '\n' + '\n'.join(row.format(k=k) for k in range(10, 20)) + '\n'
    track = read_track(text.encode())
    assert columns(track) == pytest.approx((47.12, 1000, 60), abs=0.01)
    assert track.time_s[2] == pytest.approx(datetime(2026, 5, 14, 10, 0, 12, tzinfo=UTC).timestamp())


@pytest.mark.parametrize(('factor', 'unit'), [(1.0, 'kt'), (1.852 / 3.6, 'm/s'), (1.852, 'km/h'), (1.15078, 'mph')])
def test_csv_speed_without_a_unit_is_fitted_to_the_places(factor: float, unit: str) -> None:
    made = recorded(flown('full-stop'), rate_hz=1.0)
    assert made.speed_kt is not None
    rows = [
        f'{k},{made.lat_deg[k]:.7f},{made.lon_deg[k]:.7f},{made.speed_kt[k] * factor:.2f}'
        for k in range(made.time_s.size)
    ]
    track = read_track(('time,lat,lon,speed\n' + '\n'.join(rows)).encode())
    assert np.allclose(track.speed_kt, made.speed_kt, atol=0.02), unit
    assert not track.dated


def test_csv_columns_corrected_by_hand() -> None:
    text = 'a,b,c,d\n' + '\n'.join(f'-38.{k},47.{k},2026-05-14T10:00:{k:02d}Z,{k}' for k in range(10, 20))
    with pytest.raises(UnreadableTrack, match='neither its headings nor its figures'):
        read_track(text.encode())
    told: dict[str, Any] = {
        'separator': ',',
        'first_row': 1,
        'columns': [
            {'role': 'time', 'index': 2},
            {'role': 'latitude', 'index': 1},
            {'role': 'longitude', 'index': 0},
            {'role': 'height', 'index': 3, 'unit': 'ft'},
        ],
    }
    track = read_track(text.encode(), columns=columns_from_dict(told))
    assert track.lat_deg[0] == pytest.approx(47.10)
    assert track.height_ft[0] == 10
    for change in (
        {'separator': 'x'},
        {'decimal': ','},
        {'first_row': -1},
        {'columns': 'none'},
        {'columns': told['columns'][:2]},
        {'columns': [{'role': 'wings', 'index': 0}]},
        {'columns': [{'role': 'time', 'index': 'two'}]},
        {'columns': [{'role': 'height', 'index': 0, 'unit': 'furlong'}]},
        {'columns': [7]},
    ):
        with pytest.raises(InvalidInput):
            columns_from_dict(told | change)


def test_what_a_csv_is_taken_for_can_be_shown_and_given_back() -> None:
    text = writers.csv(recorded(flown('full-stop'), rate_hz=0.2, with_attitude=True), separator=';', decimal=',')
    shown = detect(text)
    assert (shown.separator, shown.decimal) == (';', ',')
    assert {one.role for one in shown.columns} >= {'time', 'height', 'speed', 'course', 'heading', 'pitch', 'bank'}
    again = read_track(text.encode(), columns=columns_from_dict(shown.as_dict()))
    assert np.array_equal(again.bank_deg, read_track(text.encode()).bank_deg)


def test_units_in_headings() -> None:
    """Spellings seen in logs [common practice, no source]"""
    assert unit_of('height', 'Alt (m)') == 'm'
    assert unit_of('height', 'ft msl') == 'ft'
    assert unit_of('speed', 'GS [km/h]') == 'km/h'
    assert unit_of('speed', 'Ground Speed kts') == 'kt'
    assert unit_of('vertical_speed', 'VSpd (fpm)') == 'ft/min'
    assert unit_of('height', 'Altitude') is None
    names = ['Time', 'IAS', 'GndSpd', 'AltMSL', 'Lat', 'Lon', 'Roll']
    found = {one.role: one.index for one in guess_columns(names, [])}
    assert found == {'time': 0, 'airspeed': 1, 'speed': 2, 'height': 3, 'latitude': 4, 'longitude': 5, 'bank': 6}


BOMB = (
    b'<?xml version="1.0"?><!DOCTYPE g [<!ENTITY a "aaaaaaaaaa">'
    + b''.join(f'<!ENTITY {chr(98 + k)} "{f"&{chr(97 + k)};" * 10}">'.encode() for k in range(9))
    + b']><gpx><trk><trkseg><trkpt lat="1" lon="1"><time>&j;</time></trkpt></trkseg></trk></gpx>'
)
OUTSIDE = (
    b'<?xml version="1.0"?><!DOCTYPE g [<!ENTITY x SYSTEM "file:///etc/passwd">]>'
    b'<gpx creator="&x;"><trk><trkseg/></trk></gpx>'
)


@pytest.mark.parametrize(
    ('data', 'words'),
    [
        (b'', 'empty'),
        (b'\x00\x00 \n', 'empty'),
        (b'hello, this is a letter\n' * 5, 'neither its headings nor its figures'),
        (b'<html><body>not a track</body></html>', 'not GPX'),
        (b'<gpx', 'cannot be read'),
        (b'<gpx></gpx>', 'no track points'),
        (b'<gpx><trk><trkseg><trkpt lat="1" lon="2"/></trkseg></trk></gpx>', 'no times'),
        (BOMB, 'document type'),
        (OUTSIDE, 'document type'),
        (b'\x1f\x8bbroken', 'broken'),
        (gzip.compress(b'time,lat,lon\n' * 500, mtime=0)[:-20], 'cut off'),
        (b'time,lat,lon\n', 'no rows'),
        (b'time,lat,lon\nx,y,z\nx,y,z\n', 'no numbers'),
        (b'time,lat,lon\nlater,1,2\nlater,1,2\n', 'no times'),
        (b'AXBE001\nHFDTE140526\nB120000nonsense\n', 'no fixes'),
        (b'$GPRMC,120000,V,,,,,,,140526,,,N*7A\n', 'no sentence with a place'),
        (b'\x89PNG\r\n\x1a\n' + bytes(range(256)) * 20, 'neither its headings nor its figures'),
    ],
    ids=lambda value: value if isinstance(value, str) else '',
)
def test_what_is_no_track_is_refused_in_plain_words(data: bytes, words: str) -> None:
    with pytest.raises(UnreadableTrack, match=words):
        read_track(data)


def test_limits_of_size() -> None:
    with pytest.raises(UnreadableTrack, match='larger than 50 MB'):
        unpacked(b'x' * (MOST_BYTES + 1))
    with pytest.raises(UnreadableTrack, match='larger than 50 MB'):  # a bomb: 50 kB of gzip
        unpacked(gzip.compress(b'\0' * (MOST_BYTES + 1)))


def test_a_document_type_in_another_encoding_is_refused_too() -> None:
    text = '<?xml version="1.0" encoding="UTF-16"?><!DOCTYPE gpx><gpx><trk><trkseg>' + ''.join(
        f'<trkpt lat="1" lon="1"><time>2026-05-14T10:00:0{k}Z</time></trkpt>' for k in range(6)
    )
    with pytest.raises(UnreadableTrack, match='document type'):
        read_track((text + '</trkseg></trk></gpx>').encode('utf-16'))


def test_a_gpx_cut_off_gives_what_came_before() -> None:
    text = writers.gpx(recorded(flown('full-stop'), rate_hz=0.2))
    track = read_track(text[: len(text) // 2].encode())
    assert track.count > 20
    assert any('cut off' in words for words in track.warnings)


@pytest.mark.parametrize('form', writers.FORMATS)
@settings(max_examples=40, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(data=st.data())
def test_damaged_files_are_read_or_refused_never_more(form: str, data: st.DataObject) -> None:
    made = recording(lat=47, lon=-38, height_ft=40, start=datetime(2026, 5, 14, tzinfo=UTC), seconds=np.arange(30.0))
    whole = bytearray(writers.write(made, form).encode())
    for _ in range(data.draw(st.integers(1, 12))):
        if len(whole) < 50:
            break
        place = data.draw(st.integers(0, len(whole) - 1))
        action = data.draw(st.sampled_from(['change', 'drop', 'add', 'cut']))
        if action == 'change':
            whole[place] = data.draw(st.integers(0, 255))
        elif action == 'drop':
            del whole[place : place + data.draw(st.integers(1, 60))]
        elif action == 'add':
            whole[place:place] = data.draw(st.binary(max_size=40))
        else:
            del whole[max(place, 40) :]
    track = read_or_none(bytes(whole))
    if track is not None:
        assert track.count >= 5
        assert track.time_s.shape == track.lat_deg.shape == track.height_ft.shape


def read_or_none(data: bytes) -> Track | None:
    """None when refused; any other error than a refusal in words fails the test."""
    try:
        return read_track(data)
    except UnreadableTrack:
        return None


@settings(max_examples=150, deadline=None)
@given(st.binary(max_size=400))
def test_any_bytes_are_read_or_refused(data: bytes) -> None:
    assert read_or_none(data) is None or len(data) > 60


@pytest.mark.parametrize('time', ['2026-13-45T99:99:99Z', 'now', '', '-1e999'])
def test_times_that_are_none_are_refused(time: str) -> None:
    text = 'time,lat,lon\n' + '\n'.join(f'{time},1,{k}' for k in range(9))
    with pytest.raises(UnreadableTrack, match='no times'):
        read_track(text.encode())


def table(kind: str = 'pattern') -> list[list[str]]:
    """A simulated flight in cells: moment, latitude, longitude, height [ft], speed [kt], course; without attitude."""
    text = writers.write(recorded(flown(kind, 3, 'lant', '05'), gnss=True), 'csv')
    return [line.split(',')[:6] for line in text.splitlines()]


def joined(rows: list[list[str]], separator: str = ',', decimal: str = '.') -> bytes:
    return '\n'.join(separator.join(cell.replace('.', decimal) for cell in row) for row in rows).encode()


@pytest.mark.parametrize(
    'heading',
    [
        'Zeit (UTC);Breite;Länge;Höhe [ft];Geschwindigkeit [kt];Kurs',
        'Heure UTC;Latitude;Longitude;Altitude (ft);Vitesse sol (kt);Cap',
        'Hora UTC;Latitud;Longitud;Altitud (ft);Velocidad (kt);Rumbo',
        'Czas;Szerokość;Długość;Wysokość [ft];Prędkość [kt];Kurs',
        'tijd;breedtegraad;lengtegraad;hoogte (ft);snelheid (kt);koers',
        'ora;latitudine;longitudine;quota (ft);velocità (kt);rotta',
    ],
)
def test_headings_in_other_languages(heading: str) -> None:
    rows = table()
    found = read_track(joined([heading.split(';'), *rows[1:]], ';', ','))
    same = read_track(joined(rows))
    for name in ('time_s', 'lat_deg', 'lon_deg', 'height_ft', 'speed_kt', 'course_deg_true'):
        assert getattr(found, name) == pytest.approx(getattr(same, name), nan_ok=True, rel=1e-9), name


@pytest.mark.parametrize('heading', [['a1', 'b2', 'c3', 'd4', 'e5', 'f6'], None])
@pytest.mark.parametrize(('separator', 'decimal'), [(',', '.'), (';', ','), ('\t', '.')])
def test_columns_are_told_by_their_figures_where_no_heading_does(
    heading: list[str] | None, separator: str, decimal: str
) -> None:
    rows = table()[1:]
    same = read_track(joined(table()))
    # metres a second, and an engine's temperature before everything
    cells = [
        [f'{180 + k % 40 / 8:.1f}', one[0], one[1], one[2], one[3], f'{float(one[4]) / 1.943844:.3f}', one[5]]
        for k, one in enumerate(rows)
    ]
    head = [] if heading is None else [['t0', *heading]]
    found = read_track(joined([*head, *cells], separator, decimal))
    assert found.lat_deg == pytest.approx(same.lat_deg)
    assert found.lon_deg == pytest.approx(same.lon_deg)
    assert found.time_s == pytest.approx(same.time_s)
    assert found.speed_kt == pytest.approx(same.speed_kt, abs=0.01, nan_ok=True)
    assert found.course_deg_true == pytest.approx(same.course_deg_true, nan_ok=True)
    assert not np.isfinite(found.height_ft).any()  # a height could be anything that changes slowly


def test_longitudes_beyond_ninety_are_no_latitudes_and_what_does_not_move_is_no_place() -> None:
    rows = [[one[0], f'{float(one[2]) - 90:.8f}', one[1]] for one in table()[1:]]  # longitude first
    found = read_track(joined([['x', 'y', 'z'], *rows]))
    assert found.lon_deg[0] == pytest.approx(float(rows[0][1]))
    still = [[one[0], '47.12345', '9.54321'] for one in table()[1:]]
    with pytest.raises(UnreadableTrack, match='neither its headings nor its figures'):
        detect(joined([['x', 'y', 'z'], *still]).decode())


def test_units_that_the_headings_say_hold_where_columns_are_named_by_hand() -> None:
    rows = [['wann', 'wo1', 'wo2', 'hoch (m)', 'schnell [km/h]'], *[one[:5] for one in table()[1:]]]
    told = {
        'columns': [
            {'role': role, 'index': k} for k, role in enumerate(('time', 'latitude', 'longitude', 'height', 'speed'))
        ],
        'first_row': 1,
        'utc_offset_min': 90,
    }
    found = read_track(joined(rows), columns=columns_from_dict(told))
    same = read_track(joined(table()))
    assert found.height_ft == pytest.approx(same.height_ft / 0.3048, nan_ok=True)
    assert found.speed_kt == pytest.approx(same.speed_kt / 1.852, nan_ok=True, rel=1e-4)
    assert found.time_s == pytest.approx(same.time_s - 5_400)
    told['columns'][3]['unit'] = 'ft'  # said by hand wins
    assert read_track(joined(rows), columns=columns_from_dict(told)).height_ft == pytest.approx(
        same.height_ft, nan_ok=True
    )
    with pytest.raises(InvalidInput, match='minutes ahead of UTC'):
        columns_from_dict(told | {'utc_offset_min': 4_000})


def test_what_is_not_recognised_is_shown_as_a_template_that_reads_the_file_once_filled_in() -> None:
    rows = [['wann', 'wo1', 'wo2', 'hoch'], *[[one[0].replace('T', '_'), *one[1:4]] for one in table()[1:30]]]
    shown = template(joined(rows, ';', ',').decode())
    assert (shown['separator'], shown['decimal'], shown['first_row']) == (';', ',', 1)
    assert [one['name'] for one in shown['columns']] == rows[0]
    with pytest.raises(InvalidInput, match='one of them is time'):
        columns_from_dict(shown)
    for one, role in zip(shown['columns'], ('time', 'latitude', 'longitude', None), strict=True):
        one['role'] = role
    how = columns_from_dict(shown)
    assert [one.role for one in how.columns] == ['time', 'latitude', 'longitude']


@pytest.mark.parametrize('factor', [1.0, 0.3048])
@pytest.mark.parametrize('language', ['german', 'spanish', 'unknown'])
def test_a_table_in_any_language_is_read_as_the_english_one(language: str, factor: float) -> None:
    recording = recorded(flown('full-stop'))
    usual = read_track(writers.csv(recording).encode())
    there = replace(recording, height_ft=recording.height_ft * factor)
    text = writers.csv(there, language=language, separator=';', decimal=',')
    if factor != 1:  # whose heights are metres, and which does not say so
        text = text.replace('(ft)', '')
    found = read_track(text.encode())
    for name in ('time_s', 'lat_deg', 'lon_deg', 'speed_kt', 'course_deg_true'):
        assert getattr(found, name) == pytest.approx(getattr(usual, name), abs=1e-6), name
    assert found.height_ft == pytest.approx(usual.height_ft, abs=0.04)


def test_a_word_for_the_height_says_that_the_wheels_are_down() -> None:
    rows = [f'2026-05-14T08:{k // 60:02d}:{k % 60:02d}Z,{47 + k * 4e-4:.6f},8.5,{h}' for k, h in enumerate(HEARD)]
    found = read_track(('time,latitude,longitude,altitude (ft)\n' + '\n'.join(rows)).encode())
    assert found.on_ground.tolist() == [1.0 if one == 'ground' else 0.0 for one in HEARD]
    assert np.isnan(found.height_ft).tolist() == [one == 'ground' for one in HEARD]


@pytest.mark.parametrize(
    ('heading', 'down', 'up', 'is_used'),
    [
        ('on_ground', '1', '0', True),
        ('OnGround', 'true', 'false', True),
        ('Air/Ground', 'G', 'A', True),
        ('am Boden', 'Boden', 'air', True),
        ('on_ground', '0', '1', False),  # it means the opposite: faster on the ground than in the air
        ('ground', '412', '413', False),  # the height of the ground, for all we know
        ('on_ground', '0', '0', False),  # nobody ever set it
    ],
)
def test_a_column_may_say_that_the_wheels_are_down(heading: str, down: str, up: str, is_used: bool) -> None:
    rolls = [True] * 4 + [False] * 5 + [True] * 3
    away = np.cumsum([1e-5 if one else 4e-4 for one in rolls])
    rows = [
        f'2026-05-14T08:00:{5 * k:02d}Z,{47 + away[k]:.6f},8.5,{1_500 + 20 * k},{down if one else up}'
        for k, one in enumerate(rolls)
    ]
    found = read_track((f'time,latitude,longitude,altitude (ft),{heading}\n' + '\n'.join(rows)).encode())
    said = [1.0 if one else 0.0 for one in rolls]
    assert (found.on_ground.tolist() == said) is is_used
    assert is_used or np.isnan(found.on_ground).all()
    assert any('does not fit its speeds' in one for one in found.warnings) is ((down, up) == ('0', '1'))
    assert found.height_ft[0] == 1_500


HEARD = ['ground'] * 3 + ['1525', '1600', '1650', '1600', '1550', '1525'] + ['ground'] * 3


def test_what_stands_under_a_gpx_point_without_a_time_is_left_out_with_it() -> None:
    points = [(47.0, '<ele>100</ele>', 0), (47.1, '<ele>999</ele>', None), (47.2, '', 2)]
    points += [(47.2 + k / 10, '<ele>130</ele>', k) for k in range(3, 7)]
    text = ''.join(
        f'<trkpt lat="{lat}" lon="8">{height}{"" if s is None else f"<time>2026-05-14T08:00:0{s}Z</time>"}</trkpt>'
        for lat, height, s in points
    )
    found = read_track(f'<gpx><trk><trkseg>{text}</trkseg></trk></gpx>'.encode())
    assert found.height_ft * 0.3048 == pytest.approx([100, math.nan, 130, 130, 130, 130], nan_ok=True)
