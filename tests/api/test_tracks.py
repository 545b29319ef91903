"""A recorded flight through the whole application: sent, analysed by the worker, matched, scored, overruled."""

import copy
import gzip
import itertools
import json
import math
import re
import uuid
from concurrent.futures import ThreadPoolExecutor
from datetime import UTC, datetime, timedelta

import psycopg
import pytest
from sqlalchemy import text

from bullseye.core.basis.constants import FPS_PER_KT
from bullseye.sim.writers import write
from tests.api.conftest import Browser, owner
from tests.tracks.making import flown, flown_at, recorded, truths
from tests.working import work_off

BEGUN = datetime.now(UTC).replace(hour=12, minute=0, second=0, microsecond=0)


def file_of(scenario='pattern', form='gpx', *, begun=BEGUN, seed=3, **options):
    """A flight and the file a recorder would have written of it."""
    flight = flown(scenario, seed, 'lant', '05')
    return flight, write(recorded(flight, gnss=False, start=begun, **options), form).encode()


def send(person: Browser, raw: bytes, name='flight.gpx', *, status=200, file_id=None):
    file_id = file_id or str(uuid.uuid4())
    return person.send(f'/api/tracks/{file_id}?name={name}', raw, status=status)


def analysed(person: Browser, url: str, raw: bytes, name='flight.gpx'):
    line = send(person, raw, name)
    assert line['state'] == 'waiting'
    work_off(url)
    return person.get(f'/api/tracks/{line["id"]}')


def landings(flight):
    return truths(flight, 'touchdown')


def match(person: Browser, found, sortie_id):
    track_id = found['track']['id']
    pairs = person.get(f'/api/tracks/{track_id}/match/{sortie_id}')['pairs']
    return person.call('POST', f'/api/tracks/{track_id}/match', {'sortie_id': sortie_id, 'pairs': pairs})


def laps_of(person: Browser, sortie_id):
    return person.get(f'/api/sorties/{sortie_id}/laps')['laps']


def test_a_file_becomes_measured_laps_that_score_teach_and_can_be_taken_back(marta, demo_url):
    flight, raw = file_of(rate_hz=4)
    found = analysed(marta, demo_url, raw)
    assert found['track']['state'] == 'done'
    assert found['track']['laps'] == 5
    sortie_id = marta.sortie_of('Ines')
    assert sortie_id in [one['sortie_id'] for one in found['candidates']]
    before = marta.call('POST', f'/api/sorties/{sortie_id}/brief', {})['brief']['aim']['aim_point_ft']

    line = match(marta, found, sortie_id)
    assert 'Ines Carvalho' in line['sortie_words']
    laps = laps_of(marta, sortie_id)
    assert [lap['outcome'] for lap in laps] == ['touch_and_go'] * 4 + ['full_stop']
    for lap, truth in zip(laps, landings(flight), strict=True):
        reading = lap['readings']['along_ft']['tracked']
        assert lap['known_by']['along_ft'] == 'tracked'
        assert lap['along_ft'] == reading['value']
        assert abs(lap['along_ft'] - truth['along_ft']) < max(reading['half_width'], 40)
        assert lap['score']['points'] is not None
        assert lap['diagnosis']['error_ft'] is not None
        assert lap['track_file_id'] == found['track']['id']
    # a takeoff roll is one from rest: not what was rolled on from a touch
    assert [lap['liftoff_ft'] is None for lap in laps] == [False, True, True, True, True]
    assert not any('Lifted off' in one['words'] for lap in laps for one in lap['around']['faults'])
    taught = marta.call('POST', f'/api/sorties/{sortie_id}/brief', {})['brief']['aim']['aim_point_ft']
    assert taught != before  # the next aim point has learned of these laps

    marta.call('DELETE', f'/api/tracks/{found["track"]["id"]}/match', status=204)
    assert laps_of(marta, sortie_id) == []
    assert marta.call('POST', f'/api/sorties/{sortie_id}/brief', {})['brief']['aim']['aim_point_ft'] == before
    match(marta, found, sortie_id)
    assert [lap['along_ft'] for lap in laps_of(marta, sortie_id)] == [lap['along_ft'] for lap in laps]


def test_a_flight_in_a_wind_that_nobody_knows_is_measured_and_neither_blamed_nor_learned_from(marta, demo_url, app):
    _, raw = file_of(rate_hz=4)
    found = analysed(marta, demo_url, raw)
    with owner(app) as db:  # as of a flight whose turns told no wind
        db.execute(text("update track_file set report = jsonb_set(report, '{wind}', '[]')"))
        db.commit()
    first = marta.sortie_of('Ines')
    day = marta.get(f'/api/sorties/{first}')['planned_on']
    copy = marta.call('POST', f'/api/sorties/{first}/copy', {'planned_on': day}, status=201)
    match(marta, found, copy['id'])
    laps = laps_of(marta, copy['id'])
    assert len(laps) == 5
    for lap in laps:
        assert lap['along_ft'] is not None
        assert 'threshold_speed_kias' not in lap['readings']  # a groundspeed is no airspeed in a wind unknown
        wind = next(one for one in lap['diagnosis']['parts'] if one['cause'] == 'wind')
        assert (wind['feet'], wind['words']) == (None, 'nobody has given the wind: within the hold-off')

    def taught() -> int:
        with owner(app) as db:
            asked = text('select count(*) from lap where sortie_id = :sortie and flown is not null')
            return int(db.execute(asked, {'sortie': copy['id']}).scalar_one())

    assert taught() == 0
    # said of a lap afterwards, it is known
    lap_id = str(uuid.uuid4())
    seen = {'outcome': 'touch_and_go', 'along_ft': 900.0, 'threshold_speed_kias': 63.0}
    marta.send_laps(copy['id'], (lap_id, seen | {'wind_kt': 8.0, 'wind_dir_deg_mag': 60.0}))
    assert taught() == 1


def test_the_wind_that_the_turns_showed_explains_a_lap_and_one_read_on_it_counts_before(marta, demo_url, app):
    flight, raw = file_of(rate_hz=4)
    found = analysed(marta, demo_url, raw)
    first = marta.sortie_of('Ines')
    day = marta.get(f'/api/sorties/{first}')['planned_on']
    copy = marta.call('POST', f'/api/sorties/{first}/copy', {'planned_on': day}, status=201)
    match(marta, found, copy['id'])

    def wind_part(lap):
        return next(one for one in lap['diagnosis']['parts'] if one['cause'] == 'wind')

    laps = laps_of(marta, copy['id'])
    course_rad = flight.ground.strips['05'].course_rad
    north, east = flight.wind.at(33.0)
    true_kt = -(north * math.cos(course_rad) + east * math.sin(course_rad)) / FPS_PER_KT
    for lap in laps:
        words = wind_part(lap)['words']
        assert words.endswith('as the turns showed it; none was briefed')
        assert abs(float(re.search(r'(\d+) kt', words)[1]) - true_kt) < 4
        assert abs(sum(part['feet'] or 0 for part in lap['diagnosis']['parts']) - lap['diagnosis']['error_ft']) < 1
        assert lap['readings']['threshold_speed_kias']['tracked']['half_width'] < 5.5
    with owner(app) as db:
        asked = text('select count(*) from lap where sortie_id = :sortie and flown is not null')
        assert db.execute(asked, {'sortie': copy['id']}).scalar_one() == 5

    # read on the lap, 20 kt from ahead: the split takes that, and the groundspeed makes another airspeed of it
    lap = laps[1]
    before = lap['readings']['threshold_speed_kias']['tracked']['value']
    # as the tablet sends a lap that it was shown
    as_shown = ('outcome', 'flown_at', 'along_ft', 'lateral_ft', 'threshold_speed_kias', 'float_s', 'drift', 'bounced')
    kept = {name: lap[name] for name in (*as_shown, 'aim_point_ft', 'liftoff_ft', 'known_by')}
    assert lap['known_by']['aim_flown_ft'] == 'tracked'
    course_deg_mag = marta.get(f'/api/sorties/{copy["id"]}')['course_deg_mag']
    read = marta.put_lap(copy['id'], lap_id=lap['id'], **kept, wind_kt=20.0, wind_dir_deg_mag=course_deg_mag)
    assert wind_part(read)['words'] == 'headwind 20 kt, unknown when it was briefed'
    faster = read['readings']['threshold_speed_kias']['tracked']['value'] - before
    assert 0.7 * (20 - true_kt) - 3 < faster < 1.05 * (20 - true_kt) + 3
    again = marta.put_lap(copy['id'], lap_id=lap['id'], **kept)
    assert again['readings'] == lap['readings']
    assert wind_part(again) == wind_part(lap)

    # an aim corrected by hand stays so whatever is noted of the lap afterwards
    path = f'/api/sorties/{copy["id"]}/laps/{lap["id"]}/reading'
    marta.call('POST', path, {'measure': 'aim_flown_ft', 'value': 333})
    noted = marta.put_lap(copy['id'], lap_id=lap['id'], **kept, note='looked at the far end')
    assert (noted['aim_flown_ft'], noted['known_by']['aim_flown_ft']) == (333, 'corrected')
    assert 'tapped' not in noted['readings']['aim_flown_ft']


def test_drills_are_scored_from_a_recorded_flight(marta, demo_url):
    _, raw = file_of('low-passes', rate_hz=4)
    found = analysed(marta, demo_url, raw)
    sortie_id = marta.sortie_of('Ines')
    match(marta, found, sortie_id)
    steady, swaying, _ = laps_of(marta, sortie_id)
    assert [steady['outcome'], swaying['outcome']] == ['low_approach'] * 2

    def verdicts(lap):
        return {one['name']: one['verdict'] for one in lap['score']['criteria']}

    assert verdicts(steady) == {'centreline': 'pass', 'height': 'pass', 'wheels': 'pass'}
    assert verdicts(swaying) == {'centreline': 'fail', 'height': 'fail', 'wheels': 'pass'}
    assert swaying['known_by']['lateral_ft'] == 'tracked'
    # a person who saw the wheels touch is believed
    kept = {name: steady[name] for name in ('outcome', 'flown_at', 'lateral_ft', 'known_by')}
    told = marta.put_lap(
        sortie_id, lap_id=steady['id'], along_ft=None, **kept, marks=['touched_runway', 'height_not_kept']
    )
    assert verdicts(told) == {'centreline': 'pass', 'height': 'fail', 'wheels': 'fail'}


def test_a_hold_off_at_altitude_that_was_noted_is_timed_by_the_track(marta, demo_url):
    flight, raw = file_of('deck', rate_hz=5)
    sortie_id = marta.sortie_of('Ines')
    drills = [one for one in flight.events if one['kind'] == 'drill']
    noted = []
    for one, seconds in ((drills[0], None), (drills[1], 3.5)):  # the second was timed by hand
        at = (BEGUN + timedelta(seconds=one['time_s'] + 6)).isoformat()
        how = {} if seconds is None else {'float_s': seconds, 'known_by': {'float_s': 'timed'}}
        noted.append(marta.put_lap(sortie_id, outcome='drill', along_ft=None, flown_at=at, **how))
    found = analysed(marta, demo_url, raw)
    match(marta, found, sortie_id)
    by_track, by_hand = (next(lap for lap in laps_of(marta, sortie_id) if lap['id'] == one['id']) for one in noted)
    assert by_track['known_by']['float_s'] == 'tracked'
    assert abs(by_track['float_s'] - drills[0]['held_s']) < 1.5
    held, sank = by_track['score']['criteria']
    assert held['verdict'] == 'pass'
    assert sank['verdict'] == 'unknown'  # which height stood for the runway no track knows
    assert (by_hand['float_s'], by_hand['known_by']['float_s']) == (3.5, 'timed')
    assert 'tracked' in by_hand['readings']['float_s']
    assert by_hand['score']['criteria'][1]['verdict'] == 'pass'
    marta.call('DELETE', f'/api/tracks/{found["track"]["id"]}/match', status=204)
    again = [lap for lap in laps_of(marta, sortie_id) if lap['outcome'] == 'drill']
    assert [lap['float_s'] for lap in again] == [None, 3.5]
    assert all(lap['track_file_id'] is None for lap in again)


def test_tapped_and_measured_stand_side_by_side_and_the_better_known_scores(marta, demo_url):
    flight, raw = file_of(rate_hz=10)
    sortie_id = marta.sortie_of('Ines')
    first, second = landings(flight)[:2]
    for truth, feet in ((first, first['along_ft'] + 70), (second, second['along_ft'] - 55)):
        marta.put_lap(
            sortie_id,
            along_ft=round(feet, -1),
            flown_at=(BEGUN + timedelta(seconds=truth['time_s'] + 9)).isoformat(),
            known_by={'along_ft': 'tapped'},
            note='as I saw it',
        )
    found = analysed(marta, demo_url, raw)
    assert found['candidates'][0]['sortie_id'] == sortie_id
    assert '2 laps noted' in found['candidates'][0]['reason']
    match(marta, found, sortie_id)
    laps = laps_of(marta, sortie_id)
    assert len(laps) == 5
    assert [lap['note'] for lap in laps[:2]] == ['as I saw it'] * 2
    lap = laps[0]
    of = lap['readings']['along_ft']
    assert of['tapped'] == {'value': round(first['along_ft'] + 70, -1), 'half_width': 40.0, 'how': 'tapped'}
    assert of['tracked']['half_width'] < 40
    assert lap['along_ft'] == of['tracked']['value']

    # overruled by hand: kept as corrected, beside the two others
    path = f'/api/sorties/{sortie_id}/laps/{lap["id"]}/reading'
    corrected = marta.call('POST', path, {'measure': 'along_ft', 'value': 700})
    assert corrected['along_ft'] == 700
    # somebody who still sees what was there before writes over nothing
    stale = {'measure': 'along_ft', 'value': 650, 'seen': lap['along_ft'] + 0.01}
    assert marta.call('POST', path, stale, status=409)['now'] == 700
    assert marta.call('POST', path, stale | {'seen': 700.02, 'value': 700})['along_ft'] == 700
    assert corrected['known_by']['along_ft'] == 'corrected'
    assert set(corrected['readings']['along_ft']) == {'tapped', 'tracked', 'corrected'}
    assert corrected['score'] != lap['score']
    assert corrected['revision'] == lap['revision'] + 1
    back = marta.call('POST', path, {'measure': 'along_ft', 'value': None})
    assert back['along_ft'] == lap['along_ft']
    assert 'corrected' not in back['readings']['along_ft']

    # a tap that comes late from a tablet is kept too, and does not win over what is known better
    tapped = {**{name: back[name] for name in ('outcome', 'flown_at', 'note')}, 'along_ft': 640.0}
    late = marta.put_lap(sortie_id, lap_id=lap['id'], **tapped, known_by={'along_ft': 'tapped'})
    assert late['along_ft'] == lap['along_ft']
    assert late['readings']['along_ft']['tapped']['value'] == 640

    for method, more in (('DELETE', ''), ('POST', '/analysis')):  # not under the laps it measures
        marta.call(method, f'/api/tracks/{found["track"]["id"]}{more}', {}, status=409)
    marta.call('DELETE', f'/api/tracks/{found["track"]["id"]}/match', status=204)
    marta.call('DELETE', f'/api/tracks/{found["track"]["id"]}', status=204)
    marta.get(f'/api/tracks/{found["track"]["id"]}', status=404)
    left = laps_of(marta, sortie_id)
    assert [one['along_ft'] for one in left] == [640, round(second['along_ft'] - 55, -1)]
    assert [one['known_by']['along_ft'] for one in left] == ['tapped', 'tapped']
    marta.call('POST', f'/api/tracks/{found["track"]["id"]}/restore', {})
    assert len(marta.get('/api/tracks')['tracks']) >= 1


def test_a_tap_counts_where_the_track_knows_less(marta, demo_url):
    flight = flown('full-stop', 3, 'lant', '05')
    raw = write(recorded(flight, gnss=True, start=BEGUN, rate_hz=1), 'gpx').encode()
    sortie_id = marta.sortie_of('Ines')
    (truth,) = landings(flight)
    at = (BEGUN + timedelta(seconds=truth['time_s'] + 5)).isoformat()
    feet = round(truth['along_ft'], -1)
    marta.put_lap(sortie_id, along_ft=feet, flown_at=at, outcome='full_stop', known_by={'along_ft': 'tapped'})
    match(marta, analysed(marta, demo_url, raw), sortie_id)
    (lap,) = laps_of(marta, sortie_id)
    assert lap['readings']['along_ft']['tracked']['half_width'] > 40
    assert lap['along_ft'] == feet
    assert lap['known_by']['along_ft'] == 'tapped'


def test_go_arounds_and_another_runway_become_laps_of_their_own(marta, demo_url):
    begun = BEGUN + timedelta(hours=1)
    flight, raw = file_of('runway-change', begun=begun, rate_hz=4)
    sortie_id = marta.sortie_of('Ines')
    match(marta, analysed(marta, demo_url, raw), sortie_id)
    laps = laps_of(marta, sortie_id)
    assert [lap['runway_ident'] for lap in laps] == [event['runway'] for event in landings(flight)]
    assert {'05', '23'} == {lap['runway_ident'] for lap in laps}
    assert laps[-1]['box_ft']
    assert laps[-1]['approach_speed_kias'] > 40

    _, raw = file_of('mixed', begun=begun + timedelta(hours=2), rate_hz=4)
    other = marta.sortie_of('Tobias')
    match(marta, analysed(marta, demo_url, raw), other)
    ends = [lap['outcome'] for lap in laps_of(marta, other)]
    assert ends == ['touch_and_go', 'go_around', 'low_approach', 'stop_and_go', 'full_stop']


def test_replay_of_a_lap_and_downloads(marta, demo_url):
    flight, raw = file_of(rate_hz=4)
    found = analysed(marta, demo_url, raw, 'my flight.gpx')
    track_id = found['track']['id']
    lap = marta.get(f'/api/tracks/{track_id}/laps/2')
    columns = [lap[name] for name in ('time_s', 'along_ft', 'lateral_ft', 'height_ft', 'groundspeed_kt', 'bank_deg')]
    assert len({len(column) for column in columns}) == 1
    assert lap['time_s'] == sorted(lap['time_s'])
    touch = min(range(len(lap['time_s'])), key=lambda k: abs(lap['time_s'][k]))
    assert abs(lap['along_ft'][touch] - landings(flight)[1]['along_ft']) < 80
    assert abs(lap['height_ft'][touch]) < 6
    assert max(lap['height_ft']) > 700
    assert min(lap['bank_deg']) < -12  # a left-hand pattern
    (grass,) = lap['others']  # 14/32, drawn once, across 05
    assert abs(grass['begins'][1] - grass['ends'][1]) > 1_000
    marta.get(f'/api/tracks/{track_id}/laps/99', status=404)

    take = marta.client.get
    assert take(f'/api/tracks/{track_id}/file').data == raw
    gpx = take(f'/api/tracks/{track_id}/export.gpx')
    assert gpx.data.count(b'<trkpt') == found['track']['fixes']
    assert 'my flight.clean.gpx' in gpx.headers['Content-Disposition']
    assert 'attachment' in gpx.headers['Content-Disposition']
    rows = take(f'/api/tracks/{track_id}/export.csv').text.splitlines()
    assert len(rows) == len(found['events']) + 1
    assert rows[0].startswith('kind,time,')
    places = json.loads(take(f'/api/tracks/{track_id}/export.geojson').data)
    assert [one['properties']['kind'] for one in places['features']] == [one['kind'] for one in found['events']]
    marta.get(f'/api/tracks/{track_id}/export.kml', status=422)


@pytest.mark.parametrize(
    ('raw', 'words'),
    [
        (b'', 'empty'),
        (b'hello there', 'no GPX'),
        (gzip.compress(b'x' * 60_000_000), 'no GPX'),
        (gzip.compress(b'x' * 5_000)[:24], 'cut off'),
        (b'\x89PNG\r\n\x1a\n' + bytes(2_000), 'no GPX'),
    ],
    ids=['empty', 'text', 'bomb', 'cut', 'picture'],
)
def test_what_is_plainly_no_track_is_refused_at_once_and_not_kept(marta, raw, words):
    before = marta.get('/api/tracks')['tracks']
    reply = send(marta, raw, status=422)
    assert words in reply['fields']['file']
    assert marta.get('/api/tracks')['tracks'] == before


def test_a_file_that_unpacks_to_more_than_may_be_is_unpacked_by_the_worker_alone(marta, demo_url, monkeypatch):
    row = b'2026-05-14T08:30:00Z,47.1,8.2,500,60\n'
    bomb = gzip.compress(b'time,latitude,longitude,altitude (ft),ground speed (kt)\n' + row * 1_700_000)
    assert len(bomb) < 300_000

    def never(_: bytes) -> bytes:
        raise AssertionError('unpacked whole while somebody waits')

    with monkeypatch.context() as here:
        here.setattr('bullseye.tracks.readers.unpacked', never)
        line = send(marta, bomb)
        marta.get(f'/api/tracks/{line["id"]}/columns')
    work_off(demo_url)
    track = marta.get(f'/api/tracks/{line["id"]}')['track']
    assert track['state'] == 'refused'
    assert 'larger than 50 MB' in track['problem']


def test_pieces_of_track_count_to_what_a_school_may_keep(marta, app):
    sortie_id = marta.sortie_of('Ines')
    with owner(app) as db:
        before = db.execute(text('select track_bytes from school where is_demo')).scalar_one()
    columns = {'t': [1_778_747_400_000, *[1_000] * 20], 'lat': [47 * 10**7, *[50] * 20]}
    columns |= {'lon': [-38 * 10**7, *[70] * 20], 'acc': [40, *[0] * 20]}
    piece = gzip.compress(json.dumps(columns).encode())
    marta.send(f'/api/sorties/{sortie_id}/tracks/{uuid.uuid4()}', piece)
    with owner(app) as db:
        assert db.execute(text('select track_bytes from school where is_demo')).scalar_one() == before + len(piece)
        db.execute(text('update school set track_bytes = 5000000000 - 10 where is_demo'))
        db.commit()
    refused = marta.send(f'/api/sorties/{sortie_id}/tracks/{uuid.uuid4()}', piece, status=422)
    assert '5 GB' in refused['message']
    huge = gzip.compress(json.dumps({name: values * 3_000 for name, values in columns.items()}).encode())
    assert len(huge) < 100_000
    marta.send(f'/api/sorties/{sortie_id}/tracks/{uuid.uuid4()}', huge, status=422)


def test_too_large_a_body_is_refused_before_it_is_read(marta):
    headers, said = {'X-CSRFToken': marta.token}, {'CONTENT_LENGTH': '60000000'}
    reply = marta.client.put(f'/api/tracks/{uuid.uuid4()}', data=b'x', headers=headers, environ_overrides=said)
    assert reply.status_code == 413
    assert '50 MB' in reply.get_data(as_text=True)


@pytest.mark.parametrize(
    ('raw', 'words'),
    [
        (b'<?xml version="1.0"?><!DOCTYPE a [<!ENTITY b SYSTEM "file:///etc/passwd">]><gpx>&b;</gpx>', 'entit'),
        (b'<gpx version="1.1"><trk><trkseg><trkpt lat="1" lon="2">', 'xml'),
        (b'$GPGGA,120000,5000.0,N,00100.0,E,1,8,1.0,30.0,M,,M,,*00\n' * 3, ''),
    ],
    ids=['entity', 'cut-xml', 'nmea-sums'],
)
def test_what_turns_out_to_be_none_is_told_and_its_bytes_are_let_go(marta, demo_url, raw, words):
    line = send(marta, raw)
    work_off(demo_url)
    told = marta.get(f'/api/tracks/{line["id"]}')
    assert told['track']['state'] == 'refused'
    assert told['track']['problem']
    assert words.lower() in told['track']['problem'].lower()
    assert 'passwd' not in json.dumps(told)
    marta.get(f'/api/tracks/{line["id"]}/file', status=422)
    marta.call('POST', f'/api/tracks/{line["id"]}/analysis', {}, status=409)


def test_columns_are_shown_corrected_and_remembered_for_the_next_file_of_the_device(marta, demo_url):
    _flight, raw = file_of('full-stop', 'csv', rate_hz=1)
    head, _, body = raw.decode().partition('\n')
    strange = ('; '.join(f'field {k}' for k in range(len(head.split(',')))) + '\n' + body.replace(',', ';')).encode()
    line = send(marta, strange, 'box.csv')
    work_off(demo_url)
    path = f'/api/tracks/{line["id"]}'
    # time and places are told by their figures, and that is said; what is the height nobody can tell
    guessed = marta.get(path)['track']
    assert guessed['state'] == 'done'
    assert any('by their figures' in one for one in guessed['warnings'])
    shown = marta.get(f'{path}/columns')
    assert 'height' not in {one['role'] for one in shown['columns']['columns']}
    assert shown['separator'] == ';'
    assert shown['rows'][0][0] == 'field 0'
    names = head.split(',')

    def where(part):
        return next(k for k, name in enumerate(names) if part in name.lower())

    wanted = {
        'separator': ';',
        'decimal': '.',
        'first_row': 1,
        'columns': [
            {'role': 'time', 'index': where('time')},
            {'role': 'latitude', 'index': where('lat')},
            {'role': 'longitude', 'index': where('lon')},
            {'role': 'height', 'index': where('alt'), 'unit': 'ft' if 'ft' in names[where('alt')] else 'm'},
        ],
    }
    wrong = {**wanted, 'columns': [*wanted['columns'][:3], {'role': 'height', 'index': 99}]}
    assert 'index' in marta.call('PUT', f'{path}/columns', wrong, status=422)['fields']
    _, other = file_of('full-stop', 'csv', seed=5, rate_hz=1)
    heading = strange.partition(b'\n')[0] + b'\n'
    # a wrong answer is not remembered: the next file with these headings is read as if nobody had said anything
    swapped = {**wanted, 'decimal': ',', 'first_row': 1}
    marta.call('PUT', f'{path}/columns', swapped)
    work_off(demo_url)
    told = marta.get(path)['track']
    assert (told['state'], told['is_kept']) == ('columns', True)
    assert 'so it could not be read' in told['problem']
    unharmed = analysed(marta, demo_url, heading + other.partition(b'\n')[2].replace(b',', b';'), 'box3.csv')
    assert unharmed['track']['state'] == 'done'
    marta.call('PUT', f'{path}/columns', wanted)
    work_off(demo_url)
    done = marta.get(path)
    assert done['track']['state'] == 'done'
    assert [one['kind'] for one in done['events']][-1] == 'touchdown'

    _, later = file_of('full-stop', 'csv', seed=4, rate_hz=1)
    again = ('; '.join(f'field {k}' for k in range(len(names))) + '\n').encode()
    again += later.partition(b'\n')[2].replace(b',', b';')
    remembered = analysed(marta, demo_url, again, 'box2.csv')
    assert remembered['track']['state'] == 'done'
    assert remembered['events']


def test_a_file_is_kept_once_and_one_cut_off_is_taken_up_again(marta, demo_url, app):
    _, raw = file_of('full-stop', rate_hz=1)
    file_id = str(uuid.uuid4())
    send(marta, raw, file_id=file_id)
    send(marta, raw, file_id=file_id)
    assert 'here already' in send(marta, raw, status=409)['message']
    send(marta, raw + b' ', file_id=file_id, status=409)
    with owner(app) as db:  # a worker that ended in the middle of it
        db.connection().exec_driver_sql("update track_file set state = 'working', attempts = 1")
        db.connection().exec_driver_sql('delete from procrastinate_jobs')
        db.commit()
    work_off(demo_url)
    assert marta.get(f'/api/tracks/{file_id}')['track']['state'] == 'done'
    with owner(app) as db:  # and one that ends whoever takes it up
        db.connection().exec_driver_sql("update track_file set state = 'working', attempts = 3")
        db.commit()
    work_off(demo_url)
    track = marta.get(f'/api/tracks/{file_id}')['track']
    assert track['state'] == 'refused'
    assert 'three times' in track['problem']


def test_one_file_sent_by_several_at_once_is_kept_once(app, marta):
    _, raw = file_of('full-stop', rate_hz=1)
    browsers = [Browser(app).sign_in('marta') for _ in range(6)]
    with ThreadPoolExecutor(len(browsers)) as pool:
        sent = [
            pool.submit(
                one.client.put,
                f'/api/tracks/{uuid.uuid4()}?name=flight.gpx',
                data=raw,
                headers={'X-CSRFToken': one.token, 'Content-Type': 'application/octet-stream'},
            )
            for one in browsers
        ]
        assert sorted(one.result().status_code for one in sent) == [200, 409, 409, 409, 409, 409]


def test_positions_of_the_tablet_propose_touchdowns(marta, demo_url):
    flight = flown('full-stop', 3, 'lant', '05')
    track = recorded(flight, gnss=False, start=BEGUN, rate_hz=1)
    sortie_id = marta.sortie_of('Ines')
    at_ms = [round(BEGUN.timestamp() * 1_000 + s * 1_000) for s in track.time_s]
    columns = {
        't': at_ms,
        'lat': [round(v * 1e7) for v in track.lat_deg],
        'lon': [round(v * 1e7) for v in track.lon_deg],
        'acc': [40] * len(at_ms),
    }
    marta.call('POST', f'/api/tracks/of-sortie/{sortie_id}', status=422)
    half = len(at_ms) // 2
    for part in (slice(0, half), slice(half, None)):
        piece = {name: _differences(values[part]) for name, values in columns.items()}
        marta.send(f'/api/sorties/{sortie_id}/tracks/{uuid.uuid4()}', gzip.compress(json.dumps(piece).encode()))
    line = marta.call('POST', f'/api/tracks/of-sortie/{sortie_id}')
    assert marta.call('POST', f'/api/tracks/of-sortie/{sortie_id}')['id'] == line['id']
    work_off(demo_url)
    found = marta.get(f'/api/tracks/{line["id"]}')
    assert found['track']['format'] == 'device'
    (touch,) = [one for one in found['events'] if one['kind'] == 'touchdown']
    assert abs(touch['along_ft'] - landings(flight)[0]['along_ft']) < touch['uncertainty_ft']
    match(marta, found, sortie_id)
    assert laps_of(marta, sortie_id)[0]['known_by']['along_ft'] == 'tracked'


def _differences(values):
    return [values[0], *(b - a for a, b in itertools.pairwise(values))]


def test_students_see_their_own_flights_and_change_none(app, marta, ines, demo_url):
    _, raw = file_of('full-stop', rate_hz=1)
    found = analysed(marta, demo_url, raw)
    path = f'/api/tracks/{found["track"]["id"]}'
    ines.get(path, status=404)
    match(marta, found, marta.sortie_of('Ines'))
    assert ines.get(path)['track']['laps'] == 1
    assert [one['id'] for one in ines.get('/api/tracks')['tracks']] == [found['track']['id']]
    assert ines.get(f'{path}/laps/1')['time_s']
    send(ines, raw, status=403)
    for method, more, body in (
        ('DELETE', '', None),
        ('POST', '/analysis', {}),
        ('DELETE', '/match', None),
        ('POST', '/match', {'sortie_id': marta.sorties()[0]['id'], 'pairs': []}),
        ('GET', '/columns', None),
    ):
        ines.call(method, path + more, body, status=403)
    tobias = Browser(app).sign_in('tobias')
    tobias.get(path, status=404)
    tobias.get(f'{path}/export.gpx', status=404)


def test_a_match_that_does_not_fit_is_refused(marta, demo_url):
    _, raw = file_of('full-stop', rate_hz=1)
    sortie_id = marta.sortie_of('Ines')
    line = send(marta, raw)
    path = f'/api/tracks/{line["id"]}'
    marta.get(f'{path}/match/{sortie_id}', status=409)  # not analysed yet
    work_off(demo_url)
    end = marta.get(f'{path}/match/{sortie_id}')['pairs'][0]['event']
    for pairs in (
        [{'event': 0, 'lap_id': None}],
        [{'event': end, 'lap_id': None}] * 2,
        [{'event': end, 'lap_id': str(uuid.uuid4())}],
    ):
        reply = marta.call('POST', f'{path}/match', {'sortie_id': sortie_id, 'pairs': pairs}, status=422)
        assert 'pairs' in reply['fields']
    assert laps_of(marta, sortie_id) == []
    assert marta.get(path)['track']['sortie_id'] is None


def test_what_a_person_told_of_a_lap_stays_when_the_track_lets_go_of_it(marta, demo_url):
    _, raw = file_of(rate_hz=4)
    sortie_id = marta.sortie_of('Ines')
    found = analysed(marta, demo_url, raw)
    match(marta, found, sortie_id)
    first, second, *rest = laps_of(marta, sortie_id)
    path = f'/api/sorties/{sortie_id}/laps/{first["id"]}/reading'
    marta.call('POST', path, {'measure': 'along_ft', 'value': 700})
    marta.put_lap(sortie_id, lap_id=second['id'], outcome=second['outcome'], along_ft=None, note='Late on the flare')
    of_track = f'/api/tracks/{found["track"]["id"]}/match'
    marta.call('DELETE', of_track, status=204)
    corrected, noted = laps_of(marta, sortie_id)  # those that nobody told anything of are gone
    assert len(rest) == 3
    assert (corrected['along_ft'], corrected['known_by']['along_ft']) == (700, 'corrected')
    assert set(corrected['readings']['along_ft']) == {'corrected'}
    assert (noted['along_ft'], noted['note']) == (None, 'Late on the flare')
    assert noted['score']['hit'] is None  # unknown, not a miss

    # taken again: the same laps, the correction before what was measured, the other one measured as before
    pairs = [
        {'event': lap['track_event'], 'lap_id': lap['id'] if lap in (first, second) else None}
        for lap in (first, second, *rest)
    ]
    marta.call('POST', of_track, {'sortie_id': sortie_id, 'pairs': pairs})
    again = {lap['id']: lap for lap in laps_of(marta, sortie_id)}
    assert len(again) == 5
    assert again[first['id']]['along_ft'] == 700
    assert again[first['id']]['readings']['along_ft']['tracked'] == first['readings']['along_ft']['tracked']
    assert again[second['id']]['along_ft'] == second['along_ft']
    assert again[second['id']]['note'] == 'Late on the flare'


def break_columns(sessions, file_id):
    """What no user can do: columns of a file that the analysis cannot use, so that it fails in the middle."""
    with sessions() as db:
        db.connection().exec_driver_sql('update track_file set columns = \'"odd"\' where id = %s', (file_id,))
        db.commit()


def test_an_analysis_that_failed_keeps_the_file_and_can_be_tried_again(marta, demo_url, app):
    flight = flown('full-stop', 3, 'lant', '05')
    raw = write(recorded(flight, gnss=False, start=BEGUN, rate_hz=1), 'csv').encode()
    line = send(marta, raw, 'flight.csv')
    break_columns(lambda: owner(app), line['id'])
    work_off(demo_url)
    failed = marta.get(f'/api/tracks/{line["id"]}')['track']
    assert failed['state'] == 'refused'
    assert 'may be tried again' in failed['problem']
    assert failed['is_kept']
    assert 'Traceback' not in json.dumps(failed)
    assert marta.client.get(f'/api/tracks/{line["id"]}/file').data == raw
    with owner(app) as db:
        db.connection().exec_driver_sql('update track_file set columns = null')
        db.commit()
    assert marta.call('POST', f'/api/tracks/{line["id"]}/analysis', {})['state'] == 'waiting'
    work_off(demo_url)
    mended = marta.get(f'/api/tracks/{line["id"]}')
    assert mended['track']['state'] == 'done'
    assert not mended['track']['problem']
    assert [one['kind'] for one in mended['events']] == ['takeoff', 'touchdown']


@pytest.mark.parametrize('form', ['gpx', 'igc', 'nmea', 'csv'])
def test_every_form_of_file_goes_the_whole_way(marta, demo_url, form):
    flight, raw = file_of('full-stop', form, rate_hz=1)
    found = analysed(marta, demo_url, gzip.compress(raw) if form in ('gpx', 'csv') else raw, f'flight.{form}')
    assert found['track']['format'] == form
    (touch,) = [one for one in found['events'] if one['kind'] == 'touchdown']
    (truth,) = landings(flight)
    assert abs(touch['along_ft'] - truth['along_ft']) < max(touch['uncertainty_ft'], 60)
    sortie_id = marta.sortie_of('Ines')
    match(marta, found, sortie_id)
    (lap,) = laps_of(marta, sortie_id)
    assert lap['known_by']['along_ft'] == 'tracked'
    summary = marta.get(f'/api/sorties/{sortie_id}/laps')['summary']
    assert (summary['laps'], summary['measured']) == (1, 1)


def _across_180(field):
    """A field moved along its parallel until 180° runs through the runway."""
    moved = copy.deepcopy(field)
    first = moved['features'][0]['geometry']['coordinates']
    shift = 180.0 - (first[0] if isinstance(first[0], float) else first[0][0])

    def there(place):
        return [(place[0] + shift + 0.001 + 180) % 360 - 180, place[1]]

    for feature in moved['features']:
        geometry = feature['geometry']
        flat = geometry['type'] == 'Point'
        geometry['coordinates'] = (
            there(geometry['coordinates']) if flat else [there(one) for one in geometry['coordinates']]
        )
    moved['features'][0]['properties'] |= {'name': 'Meridian Spit', 'ident': 'MRSP'}
    return moved


def test_a_field_across_180_degrees_is_measured_like_any_other_and_no_upload_suffers(marta, demo_url):
    field = _across_180(marta.get(f'/api/airfields/{marta.get("/api/catalogue")["airfields"][0]["id"]}/geojson'))
    made = marta.call('POST', '/api/airfields', {'geojson': field}, status=201)
    back = marta.get(f'/api/airfields/{made["id"]}/geojson')
    lines = [one['geometry'] for one in back['features'] if one['geometry']['type'] == 'LineString']
    signs = {lon > 0 for line in lines for lon, _ in line['coordinates']}
    assert signs == {True, False}  # on both sides of the meridian
    flight = flown_at(back, 'full-stop', seed=3, runway='05')
    raw = write(recorded(flight, gnss=False, start=BEGUN, rate_hz=4), 'gpx').encode()
    found = analysed(marta, demo_url, raw)
    (truth,) = truths(flight, 'touchdown')
    (touch,) = [one for one in found['events'] if one['kind'] == 'touchdown']
    assert (touch['field'], touch['runway']) == ('MRSP', '05')
    assert touch['along_ft'] == pytest.approx(truth['along_ft'], abs=40)
    assert marta.get(f'/api/tracks/{found["track"]["id"]}/laps/1')['runway']['ident'] == '05'


def test_what_is_not_the_fault_of_a_file_leaves_the_file_as_it_came(marta, demo_url):
    """A device whose columns are kept in a way nobody can read, and a runway end likewise."""
    _, raw = file_of('full-stop', 'csv', rate_hz=1)
    with psycopg.connect(demo_url.replace('+psycopg', '')) as db:
        db.execute("update runway_end set spec = '{}' where ident = '14'")
    found = analysed(marta, demo_url, raw, 'flight.csv')
    assert (found['track']['state'], found['track']['laps']) == ('done', 1)  # the other ends are measured
    with psycopg.connect(demo_url.replace('+psycopg', '')) as db:
        db.execute(
            "insert into csv_columns (school_id, device, columns) select school_id, device, '{}' from track_file where format = 'csv'"
        )
    _, other = file_of('full-stop', 'csv', seed=4, rate_hz=1)
    broken = analysed(marta, demo_url, other, 'other.csv')['track']
    assert (broken['state'], broken['problem']) == (
        'refused',
        'the analysis failed; the file is kept, and may be tried again',
    )
    with psycopg.connect(demo_url.replace('+psycopg', '')) as db:
        kept = db.execute('select raw from track_file where id = %s', [broken['id']]).fetchone()
        assert kept is not None
        assert bytes(kept[0]) == other
        db.execute('delete from csv_columns')
    marta.call('POST', f'/api/tracks/{broken["id"]}/analysis', {})
    work_off(demo_url)
    assert marta.get(f'/api/tracks/{broken["id"]}')['track']['state'] == 'done'


def test_a_flight_of_an_older_analysis_is_measured_again_and_its_laps_with_it(marta, demo_url):
    _, raw = file_of(rate_hz=4)
    found = analysed(marta, demo_url, raw)
    sortie_id = marta.sortie_of('Ines')
    match(marta, found, sortie_id)
    laps = laps_of(marta, sortie_id)
    with psycopg.connect(demo_url.replace('+psycopg', '')) as db:
        # as an older analysis and model would have left them: a touchdown 30 ft off
        db.execute(
            "update track_file set analysis_version = '0', "
            "report = jsonb_set(report, '{events,1,along_ft}', to_jsonb((report#>>'{events,1,along_ft}')::float8 + 30)) "
            'where id = %s',
            [found['track']['id']],
        )
        db.execute("update lap set model_version = '1', flown = null")
        rolled = next(one['liftoff_roll_ft'] for one in found['events'][2:] if one['kind'] == 'takeoff')
        db.execute('update lap set liftoff_ft = %s where id = %s', [rolled + 11, laps[1]['id']])
    told = marta.get('/api/session')['version']
    assert told['laps_to_rework'] > 40
    assert told['flights_to_rework'] == 1
    work_off(demo_url)
    told = marta.get('/api/session')['version']
    assert (told['laps_to_rework'], told['flights_to_rework']) == (0, 0)
    again = marta.get(f'/api/tracks/{found["track"]["id"]}')
    assert again['events'] == found['events']
    assert laps_of(marta, sortie_id)[1]['liftoff_ft'] is None  # what was rolled on from a touch is no takeoff roll
    assert [lap['along_ft'] for lap in laps_of(marta, sortie_id)] == [lap['along_ft'] for lap in laps]
    marta.call(
        'DELETE', f'/api/tracks/{found["track"]["id"]}/match', status=204
    )  # what it made can still be taken back
    assert laps_of(marta, sortie_id) == []


def test_a_flight_that_nobody_planned_makes_its_sortie_in_one_step(marta, demo_url):
    begun = BEGUN - timedelta(days=40, hours=3, minutes=7)
    flight, raw = file_of(rate_hz=4, begun=begun)
    found = analysed(marta, demo_url, raw)
    assert found['candidates'] == []
    like = marta.sorties()[0]
    asked = {name: like[name] for name in ('student_id', 'aircraft_id', 'standard_id')} | {'landing': 'normal'}
    path = f'/api/tracks/{found["track"]["id"]}/sortie'
    made = marta.call('POST', path, asked, status=201)['sortie_id']
    sortie = marta.get(f'/api/sorties/{made}')
    assert (sortie['planned_on'], sortie['planned_time'][:5]) == (str(begun.date()), begun.strftime('%H:%M'))
    assert (sortie['airfield'], sortie['runway']['ident']) == ('Lantern Bay', '05')
    assert 0 <= sortie['booked_min'] - flight.events[-1]['time_s'] / 60 <= 20
    # wind by the turns, brought down from pattern height over open country
    wind = min(found['wind'], key=lambda one: one['uncertainty_kt'])
    assert (sortie['wind_kt'], sortie['wind_dir_deg_true']) == (round(0.63 * wind['speed_kt']), wind['from_deg_true'])
    assert sortie['weather_given'] == 'current'
    laps = laps_of(marta, made)
    assert [lap['outcome'] for lap in laps] == ['touch_and_go'] * 4 + ['full_stop']
    assert all(lap['known_by']['along_ft'] == 'tracked' for lap in laps)
    marta.call('POST', path, asked, status=409)  # it has its sortie
    marta.call('DELETE', f'/api/tracks/{found["track"]["id"]}/match', status=204)
    assert laps_of(marta, made) == []
