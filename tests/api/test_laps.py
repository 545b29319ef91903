import uuid
from concurrent.futures import ThreadPoolExecutor
from datetime import UTC, datetime, timedelta

import psycopg
import pytest

from tests.api.conftest import Browser


def test_a_lap_is_scored_explained_and_moves_the_next_aim(marta):
    sortie = marta.sortie_of('Owen')
    before = marta.call('POST', f'/api/sorties/{sortie}/brief', {})['brief']
    lap = marta.put_lap(sortie, along_ft=before['aim']['target_ft'] + 150, drift='none')
    assert lap['number'] == 1
    assert lap['diagnosis']['error_ft'] == pytest.approx(150)
    known = [part['feet'] for part in lap['diagnosis']['parts'] if part['feet'] is not None]
    assert sum(known) == pytest.approx(150)
    assert lap['score']['hit'] is False  # power-off 180, US commercial: a box of 200 ft, 150 ft past its middle
    after = marta.call('POST', f'/api/sorties/{sortie}/brief', {})['brief']
    assert after['aim']['aim_point_ft'] < before['aim']['aim_point_ft']
    assert after['basis']['laps'] == before['basis']['laps'] + 1


def test_sending_a_lap_twice_changes_nothing(marta):
    sortie, lap_id = marta.sortie_of('Ines'), str(uuid.uuid4())
    seen = {'along_ft': 880.0, 'flown_at': '2026-11-25T10:00:00Z', 'known_by': {'along_ft': 'tapped'}}
    first = marta.put_lap(sortie, lap_id=lap_id, **seen)
    brief = marta.call('POST', f'/api/sorties/{sortie}/brief', {})
    assert marta.put_lap(sortie, lap_id=lap_id, **seen) == first
    assert marta.call('POST', f'/api/sorties/{sortie}/brief', {}) == brief
    assert len(marta.get(f'/api/sorties/{sortie}/laps')['laps']) == 1


def test_two_tablets_sending_at_once_make_one_lap(app, marta):
    sortie, lap_id = marta.sortie_of('Ines'), str(uuid.uuid4())
    tablets = [Browser(app).sign_in('marta') for _ in range(4)]
    with ThreadPoolExecutor(4) as pool:
        list(pool.map(lambda tablet: tablet.put_lap(sortie, lap_id=lap_id, along_ft=700.0), tablets))
    assert len(marta.get(f'/api/sorties/{sortie}/laps')['laps']) == 1


def test_a_go_around_counts_as_a_lap_and_teaches_nothing_about_the_touchdown(marta):
    sortie = marta.sortie_of('Ines')
    before = marta.call('POST', f'/api/sorties/{sortie}/brief', {})
    lap = marta.put_lap(sortie, outcome='go_around', along_ft=None)
    assert lap['score']['points'] is None
    assert marta.get(f'/api/sorties/{sortie}/laps')['summary']['go_arounds'] == 1
    assert marta.call('POST', f'/api/sorties/{sortie}/brief', {}) == before


def test_a_lap_keeps_the_brief_it_was_flown_by(marta):
    sortie = marta.sortie_of('Ines')
    lap = marta.put_lap(sortie, along_ft=900.0)
    marta.call('PATCH', f'/api/sorties/{sortie}', {'spot_ft': 1_000, 'wind_kt': 20})
    again = marta.get(f'/api/sorties/{sortie}/laps')['laps'][0]
    assert (again['spot_ft'], again['aim_point_ft']) == (lap['spot_ft'], lap['aim_point_ft'])
    assert again['score'] == lap['score']


def test_a_removed_lap_teaches_nothing_and_comes_back(marta):
    sortie, lap_id = marta.sortie_of('Ines'), str(uuid.uuid4())
    before = marta.call('POST', f'/api/sorties/{sortie}/brief', {})
    lap = marta.put_lap(sortie, lap_id=lap_id, along_ft=1_400.0, flown_at='2026-11-25T10:00:00Z')
    marta.remove_lap(sortie, lap_id)
    assert marta.call('POST', f'/api/sorties/{sortie}/brief', {}) == before
    back = marta.put_lap(sortie, lap_id=lap_id, along_ft=1_400.0, flown_at='2026-11-25T10:00:00Z')
    assert back == lap | {'revision': 3}  # written, taken away, written again


@pytest.mark.parametrize(
    ('seen', 'field'),
    [
        ({'along_ft': 99_999.0}, 'along_ft'),
        ({'outcome': 'go_around', 'along_ft': 500.0}, 'along_ft'),
        ({'outcome': 'splash'}, 'outcome'),
        ({'float_s': -1.0}, 'float_s'),
        ({'drift': 'up'}, 'drift'),
        ({'threshold_speed_kias': '60'}, 'threshold_speed_kias'),
    ],
)
def test_a_wrong_value_is_refused_beside_its_field(marta, seen, field):
    sortie = marta.sortie_of('Ines')
    assert list(marta.put_lap(sortie, status=422, **seen)['fields']) == [field]
    assert marta.get(f'/api/sorties/{sortie}/laps')['laps'] == []


def test_a_lap_of_one_sortie_cannot_be_written_into_another(marta):
    lap_id = str(uuid.uuid4())
    marta.put_lap(marta.sortie_of('Ines'), lap_id=lap_id)
    marta.put_lap(marta.sortie_of('Owen'), lap_id=lap_id, status=409)


def test_the_demo_students_are_told_apart(marta):
    """Each has a habit, and the debrief of their past sorties says which."""
    said = {}
    for one in marta.sorties():
        if one['laps']:
            said.setdefault(one['student_name'], []).append(marta.get(f'/api/sorties/{one["id"]}/laps')['summary'])
    assert all('beyond the middle of the box' in summary['one_change'] for summary in said['Ines Carvalho'])
    assert any('speed' in summary['one_change'] for summary in said['Tobias Lund'] + said['Priya Raman'])
    assert max(s['spread_ft'] for s in said['Owen Fairbairn']) < min(s['spread_ft'] for s in said['Priya Raman'])


def _ends(person, sortie):
    """The landing directions of a sortie's field by their idents, and its own."""
    read = person.get(f'/api/sorties/{sortie}')
    return {one['runway']['ident']: one['id'] for one in read['ends']}, read['runway']['ident']


def test_a_lap_may_be_flown_to_another_runway_and_is_judged_on_it(marta):
    sortie = marta.sortie_of('Ines')
    ends, own = _ends(marta, sortie)
    assert own == '05'
    assert {'05', '23'} <= set(ends)
    there = marta.call('POST', f'/api/sorties/{sortie}/brief', {'runway_end_id': ends['23']})['brief']
    here = marta.call('POST', f'/api/sorties/{sortie}/brief', {})['brief']
    assert here['wind']['headwind_kt'] == pytest.approx(
        -there['wind']['headwind_kt'], abs=0.01
    )  # the other end of the same pavement
    lap_id = str(uuid.uuid4())
    lap = marta.put_lap(sortie, lap_id=lap_id, runway_end_id=ends['23'], aim_point_ft=300.0)
    assert lap['runway_ident'] == '23'
    assert lap['recommended_aim_point_ft'] == pytest.approx(there['aim']['aim_point_ft'])
    moved = marta.put_lap(sortie, lap_id=lap_id, runway_end_id=ends['05'])
    assert moved['runway_ident'] == '05'
    assert moved['revision'] == lap['revision'] + 1
    assert moved['spot_ft'] == lap['spot_ft']
    assert moved['outcome'] == lap['outcome']
    assert marta.put_lap(sortie, lap_id=lap_id)['runway_ident'] == '05'  # not said again: it stays
    assert 'runway_end_id' in marta.put_lap(sortie, status=422, runway_end_id=999_999)['fields']
    short = marta.put_lap(sortie, status=422, runway_end_id=ends['05'], spot_ft=19_000.0)
    assert 'spot_ft' in short['fields']


def test_what_is_taken_along_answers_for_every_runway_that_can_be_flown(marta):
    sortie = marta.sortie_of('Ines')
    ends, own = _ends(marta, sortie)
    taken = marta.get(f'/api/sorties/{sortie}/aboard')
    elsewhere = {one['runway_end_id']: one for one in taken['elsewhere']}
    assert ends[own] not in elsewhere
    assert ends['23'] in elsewhere
    asked = marta.call('POST', f'/api/sorties/{sortie}/brief', {'runway_end_id': ends['23']})['brief']
    assert elsewhere[ends['23']]['brief']['aim']['aim_point_ft'] == asked['aim']['aim_point_ft']
    assert elsewhere[ends['23']]['answers']['briefed_aim_ft'] == pytest.approx(asked['aim']['aim_point_ft'], abs=0.5)


YEAR_ONE, YEAR_LAST = '0001-01-01T00:00:00+14:00', '9999-12-31T23:59:59-12:00'


@pytest.mark.parametrize('moment', [YEAR_ONE, YEAR_LAST, '1969-12-31T23:59:59Z', '2100-01-01T00:00:00Z'])
def test_a_time_no_calendar_can_move_is_refused_and_nothing_else_suffers(marta, moment):
    sortie = marta.sortie_of('Ines')
    marta.put_lap(sortie, along_ft=880.0)
    refused = marta.put_lap(sortie, status=422, flown_at=moment)
    assert 'nter a time from the years' in refused['fields']['flown_at']
    writer = {'device': str(uuid.uuid4()), 'number': 1, 'sent_at': moment}
    if moment != '2100-01-01T00:00:00Z':  # which a clock may show; what it dates is put right by it
        assert 'writer.sent_at' in marta.put_lap(sortie, status=422, writer=writer)['fields']
    field = marta.get(f'/api/sorties/{sortie}')['airfield_id']
    asked = {'aircraft_id': marta.get(f'/api/sorties/{sortie}')['aircraft']['id'], 'wind_kt': 8.0, 'at': moment}
    assert 'at' in marta.call('POST', f'/api/airfields/{field}/ranking', asked, status=422)['fields']
    assert len(marta.get(f'/api/sorties/{sortie}/laps')['laps']) == 1
    marta.call('POST', f'/api/sorties/{sortie}/brief', {})


def test_a_clock_that_lost_its_battery_is_put_right_and_one_that_cannot_be_is_refused(marta):
    sortie = marta.sortie_of('Ines')
    writer = {'device': str(uuid.uuid4()), 'number': 1, 'sent_at': '1970-01-01T02:10:00Z'}
    lap = marta.put_lap(sortie, flown_at='1970-01-01T02:00:00Z', writer=writer)
    away = datetime.now(UTC) - datetime.fromisoformat(lap['flown_at'])
    assert timedelta(minutes=9) < away < timedelta(minutes=12)  # ten minutes before it was sent
    writer = {'device': str(uuid.uuid4()), 'number': 1, 'sent_at': '2150-03-01T02:10:00Z'}
    lap = marta.put_lap(sortie, flown_at='2150-03-01T02:00:00Z', writer=writer)
    away = datetime.now(UTC) - datetime.fromisoformat(lap['flown_at'])
    assert timedelta(minutes=9) < away < timedelta(minutes=12)
    wrong = marta.put_lap(sortie, status=422, flown_at='1999-12-31T23:00:00Z')
    assert 'nter a time from the years 2000 to 2099' in wrong['fields']['flown_at']


@pytest.mark.parametrize(
    'statement',
    [
        """update lap set belief = '{"scatter_ft": -1}' where id = :id""",
        """update lap set flown = '{"approach": 1}', spot_ft = -1 where id = :id""",
        'update lap set along_ft = 99999 where id = :id',
    ],
)
def test_a_lap_that_cannot_be_read_stops_none_of_the_others(marta, demo_url, statement):
    sortie = marta.sortie_of('Ines')
    good = marta.put_lap(sortie, along_ft=880.0, flown_at='2026-11-25T10:00:00Z')
    broken = marta.put_lap(sortie, along_ft=905.0, flown_at='2026-11-25T10:06:00Z')
    with psycopg.connect(demo_url.replace('+psycopg', '')) as db:
        db.execute(statement.replace(':id', '%s'), [broken['id']])
    read = marta.get(f'/api/sorties/{sortie}/laps')
    assert [lap['id'] for lap in read['laps']] == [good['id']]
    assert read['unreadable'] == [broken['id']]
    marta.call('POST', f'/api/sorties/{sortie}/brief', {})
    marta.get(f'/api/sorties/{sortie}/aboard')
    assert marta.put_lap(sortie, along_ft=890.0)['number'] == 3
    marta.get('/api/fleet')


def test_a_wind_noted_on_the_latest_lap_is_the_wind_of_all_that_comes(marta):
    sortie = marta.sortie_of('Ines')
    before = marta.get(f'/api/sorties/{sortie}')
    flown = marta.put_lap(sortie, along_ft=800.0)
    course = before['course_deg_mag']
    across = (course + 90) % 360  # all of it from the right: over every limit
    noted = marta.put_lap(sortie, along_ft=820.0, wind_dir_deg_mag=across, wind_kt=18.0)
    now = marta.get(f'/api/sorties/{sortie}')
    assert (now['wind_kt'], now['wind_source'], now['gust_kt']) == (18.0, 'sock', None)
    assert now['wind_dir_deg_mag'] == pytest.approx(across, abs=0.01)
    brief = marta.call('POST', f'/api/sorties/{sortie}/brief', {})['brief']
    assert brief['wind']['crosswind_kt'] == pytest.approx(18, abs=0.1)
    assert not brief['aim']['aim_is_good']
    assert {one['within'] for one in brief['wind']['crosswind_limits']} == {False}
    plan = marta.call('POST', f'/api/sorties/{sortie}/plan', {})['plan']
    assert plan['lap_plan']['laps'] == []
    # the laps that were flown keep the wind they were briefed in
    kept = {one['id']: one for one in marta.get(f'/api/sorties/{sortie}/laps')['laps']}
    assert kept[flown['id']]['score'] == flown['score']
    assert kept[noted['id']]['diagnosis']['parts'] == noted['diagnosis']['parts']
    # an older lap, put right later, is no wind of now
    marta.put_lap(sortie, lap_id=flown['id'], along_ft=800.0, wind_dir_deg_mag=course, wind_kt=4.0)
    assert marta.get(f'/api/sorties/{sortie}')['wind_kt'] == 18.0
