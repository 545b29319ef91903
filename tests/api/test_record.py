"""The student's record through the application: where they stand, what was signed, set, written and taught."""

import uuid
from concurrent.futures import ThreadPoolExecutor
from datetime import UTC, date, datetime, timedelta

import pytest
from apiflask import APIFlask
from sqlalchemy import text
from sqlalchemy.exc import DBAPIError

from bullseye.demo import seed
from bullseye.launch import backup
from bullseye.launch.postgres import server_programs
from bullseye.store import scope
from bullseye.store.database import open_engine, session_maker
from bullseye.store.whole import erasing
from tests.api.conftest import Browser, owner

TODAY = datetime.now(UTC).date()


def student_of(browser: Browser, name: str) -> int:
    return next(one['id'] for one in browser.get('/api/catalogue')['people'] if one['name'].startswith(name))


def fly(browser: Browser, sortie: int, count: int, *, place=620.0, days_ago=0, **seen) -> list[str]:
    """Laps about the middle of the box of a private pilot, at the worked-out speed."""
    speed = browser.call('POST', f'/api/sorties/{sortie}/brief', {})['brief']['speed']['recommended_speed_kias']
    at = datetime.now(UTC) - timedelta(days=days_ago, hours=4)
    ids = []
    for k in range(count):
        lap = {
            'outcome': 'touch_and_go',
            'along_ft': place + 20 * (k % 5 - 2) + 200,
            'threshold_speed_kias': round(speed + k % 3 - 1),
            'drift': 'none',
            'flown_at': (at + timedelta(minutes=6 * k)).isoformat(),
        } | seen
        ids.append(str(uuid.uuid4()))
        browser.send_laps(sortie, (ids[-1], lap))
    return ids


def kind_of(record: dict, landing: str) -> dict:
    return next(one for one in record['kinds'] if one['landing'] == landing)


def test_the_page_of_a_student_follows_every_lap_that_is_written_corrected_and_taken_away(marta: Browser):
    student, sortie = student_of(marta, 'Priya'), marta.sortie_of('Priya')
    marta.call('PATCH', f'/api/sorties/{sortie}', {'landing': 'normal', 'spot_ft': 600})
    before = kind_of(marta.get(f'/api/students/{student}'), 'normal')
    ids = fly(marta, sortie, 6)
    after = marta.get(f'/api/students/{student}')
    assert kind_of(after, 'normal')['laps'] == before['laps'] + 6
    flown_on = (datetime.now(UTC) - timedelta(hours=3, minutes=30)).date()  # the last of the laps above
    assert kind_of(after, 'normal')['last_on'] == str(max(flown_on, date.fromisoformat(before['last_on'])))
    marta.call('POST', f'/api/sorties/{sortie}/laps/{ids[0]}/reading', {'measure': 'along_ft', 'value': 2_100.0})
    moved = kind_of(marta.get(f'/api/students/{student}'), 'normal')
    assert max(one['from_spot_ft'] for one in moved['latest']) == 1_500
    marta.send_laps(sortie, *[(lap_id, None) for lap_id in ids])
    again = kind_of(marta.get(f'/api/students/{student}'), 'normal')
    assert again['readiness'] == before['readiness']
    assert after['holds_not']
    assert after['next'].startswith('Next: ')


def test_twenty_good_landings_are_at_standard_and_another_standard_judges_the_same_laps_anew(marta: Browser):
    student, sortie = student_of(marta, 'Tobias'), marta.sortie_of('Tobias')
    marta.call('PATCH', f'/api/sorties/{sortie}', {'gust_kt': None})
    fly(marta, sortie, 36)
    found = marta.get(f'/api/students/{student}')
    kind = kind_of(found, 'normal')
    assert kind['readiness']['state'] == 'at_standard'
    assert kind['readiness']['chance'] > 0.8
    assert 'Marram 160' in kind['readiness']['words']
    state = {one['code']: one['state'] for one in found['standings']}
    assert (state['landing_normal'], state['landing_short']) == ('at_standard', 'not_begun')
    commercial = next(one for one in marta.get('/api/catalogue')['standards'] if one['name'] == 'US commercial')
    other = marta.get(f'/api/students/{student}?standard_id={commercial["id"]}')
    assert kind_of(other, 'normal')['readiness']['state'] == 'not_yet'  # its box ends at 200 ft
    assert kind_of(other, 'normal')['touchdown'] == kind['touchdown']
    assert kind_of(marta.get(f'/api/students/{student}'), 'normal') == kind


def test_a_student_sees_their_own_record_and_of_others_nothing(marta: Browser, ines: Browser, ada: Browser):
    own, other = student_of(marta, 'Ines'), student_of(marta, 'Owen')
    assert ines.get(f'/api/students/{own}')['name'] == 'Ines Carvalho'
    for path in ('', '/timeline', '/signoffs', '/homework', '/signoffs.pdf'):
        assert ines.client.get(f'/api/students/{other}{path}').status_code == 404
        assert ada.client.get(f'/api/students/{own}{path}').status_code == 404
    for path in ('/api/overview', '/api/overview.csv', '/api/overview.pdf'):
        assert ines.client.get(path).status_code == 403
    assert ines.client.get(f'/api/logbook?person_id={other}').status_code == 404
    assert ada.get('/api/overview')['students'] == []
    note = {'code': 'slow_flight', 'noted': 'introduced', 'noted_on': str(TODAY)}
    ines.call('POST', f'/api/students/{own}/notes', note, status=403)
    ines.call('POST', f'/api/students/{own}/next-sortie', {'planned_on': str(TODAY)}, status=403)


def entry(**more) -> dict:
    return {'id': str(uuid.uuid4()), 'kind': 'exercise', 'code': 'landing_normal', 'words': 'Steady.'} | more


def test_signing_takes_a_password_warns_keeps_the_evidence_and_is_never_changed(
    marta: Browser, ines: Browser, app: APIFlask
):
    student = student_of(marta, 'Ines')
    path = f'/api/students/{student}/signoffs'
    wanted = entry()
    warned = marta.call('POST', f'{path}/look', wanted)['warnings']
    assert any('Not yet at standard' in one for one in warned)  # always long
    marta.call('POST', path, wanted | {'password': 'not the password'}, status=403)
    assert marta.get(path)['signed'] == []
    signed = marta.call('POST', path, wanted | {'password': seed.PASSWORD}, status=201)
    assert signed['warnings'] == warned
    assert (signed['standard'], signed['edition']) == ('US private', 'FAA-S-ACS-6')
    assert signed['signed_by_name'] == 'Marta Kowalczyk'
    marta.call('POST', path, wanted | {'password': seed.PASSWORD}, status=201)  # sent twice
    assert len(ines.get(path)['signed']) == 1
    marta.call('POST', path, wanted | {'kind': 'first_solo', 'code': None, 'password': seed.PASSWORD}, status=409)
    with owner(app) as db, pytest.raises(DBAPIError, match='never changed'):
        db.execute(text("update sign_off set words = 'other'"))
    # the application's own role only adds to it
    sessions = app.extensions['bullseye_sessions']
    for statement in ('delete from sign_off', "update sign_off set words = 'other'", 'truncate sign_off'):
        with sessions() as db:
            scope.see_every_school(db)
            with pytest.raises(DBAPIError, match='permission denied'):
                db.execute(text(statement))
    state = {one['code']: one['state'] for one in marta.get(f'/api/students/{student}')['standings']}
    assert state['landing_normal'] == 'stale'  # signed, and what is flown does not show it
    correction = entry(kind='correction', code=None, corrects=wanted['id'], words='The wrong student.')
    marta.call('POST', path, correction | {'password': seed.PASSWORD}, status=201)
    rows = {one['id']: one for one in marta.get(path)['signed']}
    assert rows[wanted['id']]['is_corrected']
    assert rows[wanted['id']]['words'] == 'Steady.'
    state = {one['code']: one['state'] for one in marta.get(f'/api/students/{student}')['standings']}
    assert state['landing_normal'] == 'practised'
    assert ines.client.get(f'{path}.pdf').get_data()[:4] == b'%PDF'


def test_a_first_solo_has_its_own_checklist_limits_and_ninety_days(marta: Browser):
    path = f'/api/students/{student_of(marta, "Owen")}/signoffs'
    solo = entry(kind='first_solo', code=None, words='Pattern at Lantern Bay', wind_limit_kt=15, crosswind_limit_kt=6)
    looked = marta.call('POST', f'{path}/look', solo)
    items = [one['code'] for one in looked['checklist']]
    assert any(one.startswith('Not ticked') for one in looked['warnings'])
    ticked = marta.call('POST', f'{path}/look', solo | {'ticked': items})['warnings']
    assert not any(one.startswith('Not ticked') for one in ticked)
    signed = marta.call('POST', path, solo | {'ticked': items, 'password': seed.PASSWORD}, status=201)
    assert date.fromisoformat(signed['valid_until']) == TODAY + timedelta(days=90)
    assert signed['limits'] == {'wind_limit_kt': 15, 'crosswind_limit_kt': 6}
    marta.call('POST', path, entry(kind='check_out', code=None) | {'password': seed.PASSWORD}, status=422)
    marta.call('POST', path, entry(code='no_such_thing') | {'password': seed.PASSWORD}, status=404)
    marta.call('POST', path, entry(corrects=signed['id']) | {'password': seed.PASSWORD}, status=422)


def test_homework_is_set_done_and_seen_each_by_whom_it_is_for(marta: Browser, ines: Browser):
    path = f'/api/students/{student_of(marta, "Ines")}/homework'
    given = marta.call(
        'POST', path, {'kind': 'drill', 'words': 'Read about long landings', 'fault': 'long'}, status=201
    )
    marta.call('POST', path, {'kind': 'drill', 'words': 'x', 'fault': 'no_such'}, status=422)
    ines.call('POST', path, {'kind': 'drill', 'words': 'nothing'}, status=403)
    one = f'{path}/{given["id"]}'
    marta.call('PATCH', one, {'seen': True}, status=422)  # before it is done
    assert ines.call('PATCH', one, {'done': True})['done_at']
    ines.call('PATCH', one, {'seen': True}, status=403)
    assert marta.call('PATCH', one, {'seen': True})['seen_at']
    assert ines.call('PATCH', one, {'done': False})['seen_at'] is None
    marta.call('DELETE', one, status=204)
    assert ines.get(path)['homework'] == []


def test_the_next_lesson_becomes_a_sortie_in_one_step(marta: Browser):
    student = student_of(marta, 'Owen')
    lesson = marta.get(f'/api/students/{student}')['lesson']
    made = marta.call('POST', f'/api/students/{student}/next-sortie', {'planned_on': str(TODAY)}, status=201)
    exercise = next(one for one in marta.get('/api/syllabus')['exercises'] if one['code'] == lesson['main'])
    assert (made['student']['id'], made['landing']) == (student, exercise['landing'])
    assert made['weather_given'] == 'never'
    proposal = marta.get(f'/api/sorties/proposal?student_id={student}')
    assert proposal['landing'] == exercise['landing']
    assert any(exercise['name'] in line for line in proposal['why'])


def test_the_timeline_is_read_page_by_page_and_says_whether_advice_was_followed(marta: Browser):
    student, sortie = student_of(marta, 'Ines'), marta.sortie_of('Ines')
    aim = marta.call('POST', f'/api/sorties/{sortie}/brief', {})['brief']['aim']['aim_point_ft']
    fly(marta, sortie, 4, aim_point_ft=aim)
    found = marta.get(f'/api/students/{student}/timeline')
    assert found['lines'][0]['sortie_id'] == sortie
    advised = found['lines'][1]
    assert 'move the aim point' in advised['one_change']
    assert advised['followed'] is True  # the brief has moved it since
    older = marta.get(f'/api/students/{student}/timeline?before={found["lines"][1]["sortie_id"]}')
    assert [one['sortie_id'] for one in older['lines']] == [one['sortie_id'] for one in found['lines'][2:]]


def test_a_logbook_line_is_drafted_asked_for_written_once_and_goes_out_and_in(marta: Browser, ines: Browser, app):
    waiting = ines.get('/api/logbook')['not_written']
    sortie = waiting[0]['sortie_id']
    draft = ines.get(f'/api/logbook/draft/{sortie}')
    assert (draft['line']['role'], draft['line']['landings_day']) == ('dual', waiting[0]['laps'])
    assert {'block_min', 'registration', 'takeoffs_day'} <= set(draft['unknown'])  # never invented
    line = draft['line'] | {'block_min': 65, 'takeoffs_day': 6}
    written = ines.call('POST', '/api/logbook', {'line': line, 'sortie_id': sortie}, status=201)
    ines.call('POST', '/api/logbook', {'line': line, 'sortie_id': sortie}, status=409)
    assert sortie not in [one['sortie_id'] for one in ines.get('/api/logbook')['not_written']]
    assert ines.get('/api/logbook')['totals']['block_min'] == 65
    csv = ines.client.get('/api/logbook/logbook.csv').get_data(as_text=True)
    again = ines.call('POST', '/api/logbook/file', {'text': csv})
    assert (again['written'], again['there_already']) == (0, 1)
    theirs = marta.call('POST', '/api/logbook/file', {'text': csv + 'rubbish,,\r\n'})
    assert (theirs['written'], len(theirs['problems'])) == (1, 1)
    own = marta.get('/api/logbook')['entries']
    assert own[0]['line'] == ines.get('/api/logbook')['entries'][0]['line']
    ines.call('DELETE', f'/api/logbook/{own[0]["id"]}', status=404)  # of somebody else
    ines.call('DELETE', f'/api/logbook/{written["id"]}', status=204)
    assert ines.get('/api/logbook')['entries'] == []
    assert sortie in [one['sortie_id'] for one in ines.get('/api/logbook')['not_written']]
    marta.call('POST', f'/api/logbook/{written["id"]}/restore', {}, status=404)
    ines.call('POST', f'/api/logbook/{written["id"]}/restore', {}, status=204)
    assert sortie not in [one['sortie_id'] for one in ines.get('/api/logbook')['not_written']]  # with its sortie
    ines.call('DELETE', f'/api/logbook/{written["id"]}', status=204)
    ines.call('POST', '/api/logbook', {'line': line}, status=201)
    ines.call('POST', f'/api/logbook/{written["id"]}/restore', {}, status=409)
    assert marta.client.get('/api/logbook/logbook.pdf').get_data()[:4] == b'%PDF'
    marta.get(
        f'/api/logbook/draft/{marta.sorties()[0]["id"]}',
        status=404 if marta.sorties()[0]['instructor_name'][:5] != 'Marta' else 200,
    )


def test_a_logbook_of_many_lines_is_read_by_page(ines: Browser):
    rows = ['flown_on,aircraft,role,block_min']
    rows += [f'{date(2020, 1, 1) + timedelta(days=k)},Marram 160,solo,{30 + k}' for k in range(130)]
    assert ines.call('POST', '/api/logbook/file', {'text': '\r\n'.join(rows)})['written'] == 130
    seen, after = [], ''
    while after is not None:
        page = ines.get(f'/api/logbook?after={after}' if after else '/api/logbook')
        seen += [one['line']['block_min'] for one in page['entries']]
        after = page['after']
    assert seen == [30 + k for k in reversed(range(130))]
    part = ines.get('/api/logbook?first_day=2020-01-03&last_day=2020-01-05')
    assert part['totals']['block_min'] == 32 + 33 + 34


def test_the_chief_sees_who_stands_where_and_takes_it_out(marta: Browser):
    sortie = marta.sortie_of('Tobias')
    marta.call('PATCH', f'/api/sorties/{sortie}', {'gust_kt': None})
    fly(marta, sortie, 36)
    found = marta.get('/api/overview')
    assert 'Tobias Lund' in found['groups']['at_standard']
    line = next(one for one in found['students'] if one['name'] == 'Tobias Lund')
    page = kind_of(marta.get(f'/api/students/{line["id"]}'), 'normal')['readiness']
    assert line['kinds'][0]['chance'] == pytest.approx(page['chance'])
    assert marta.get('/api/overview') == found  # kept, and the same
    fly(marta, marta.sortie_of('Priya'), 22, place=1_900.0, landing='normal')
    assert marta.get('/api/overview')['groups']['stuck'] == ['Priya Raman']
    rows = marta.client.get('/api/overview.csv').get_data(as_text=True).splitlines()
    assert rows[0].startswith('student,standard,landing')
    assert any(one.startswith('Tobias Lund,US private,normal,at_standard') for one in rows)
    assert marta.client.get('/api/overview.pdf').get_data()[:4] == b'%PDF'
    late = marta.get(f'/api/overview?today={TODAY + timedelta(days=80)}')['groups']
    assert set(late['stale']) >= {'Ines Carvalho', 'Tobias Lund'}


def test_the_chief_changes_the_syllabus_and_what_is_retired_keeps_its_record(marta: Browser, ines: Browser):
    student = student_of(marta, 'Ines')
    note = {'code': 'slow_flight', 'noted': 'practised', 'noted_on': str(TODAY)}
    kept = marta.call('POST', f'/api/students/{student}/notes', note, status=201)
    state = {one['code']: one['state'] for one in ines.get(f'/api/students/{student}')['standings']}
    assert state['slow_flight'] == 'practised'
    rows = marta.get('/api/syllabus')['exercises']
    own = {'code': 'water', 'name': 'Landing beside water', 'group': 'field', 'needs': ['landing_normal']}
    changed = [own | {'about': ''}, *[one for one in rows[::-1] if one['code'] != 'slats_aoa']]
    found = marta.call('PUT', '/api/syllabus', {'exercises': changed})['exercises']
    assert [one['code'] for one in found] == [one['code'] for one in changed]
    ines.call('PUT', '/api/syllabus', {'exercises': rows}, status=403)
    marta.call('PUT', '/api/syllabus', {'exercises': [own]}, status=422)  # needs what is not there
    assert 'Landing beside water' in marta.client.get('/api/syllabus.csv').get_data(as_text=True)
    marta.call('DELETE', f'/api/students/{student}/notes/{kept["id"]}', status=204)
    again = marta.call('PUT', '/api/syllabus', {'exercises': rows})['exercises']
    assert len(again) == len(rows)
    # as a table: out, one row changed, and in again
    table = marta.client.get('/api/syllabus.csv').get_data(as_text=True)
    back = marta.call('POST', '/api/syllabus/file', {'text': table})['exercises']
    assert back == rows
    renamed = table.replace('Normal landing', 'Landing in the box')
    assert 'Landing in the box' in {
        one['name'] for one in marta.call('POST', '/api/syllabus/file', {'text': renamed})['exercises']
    }
    wrong = marta.call('POST', '/api/syllabus/file', {'text': 'code,name,group\r\nx_1,One,nowhere\r\n'}, status=422)
    assert 'row 2' in wrong['message']
    missing = marta.call('POST', '/api/syllabus/file', {'text': 'name;group\r\n'}, status=422)
    assert 'columns named code' in missing['message']


def test_two_chiefs_who_change_the_syllabus_for_the_first_time_at_once_both_succeed(app: APIFlask):
    chiefs = [Browser(app).sign_in('marta') for _ in range(4)]
    rows = chiefs[0].get('/api/syllabus')['exercises']
    with ThreadPoolExecutor(4) as pool:
        sent = [
            pool.submit(one.client.put, '/api/syllabus', json={'exercises': rows}, headers={'X-CSRFToken': one.token})
            for one in chiefs
        ]
        assert [one.result().status_code for one in sent] == [200] * 4
    assert chiefs[0].get('/api/syllabus')['exercises'] == rows


def test_who_asks_to_be_erased_is_but_for_what_was_signed(marta: Browser, ines: Browser, app: APIFlask):
    student, owen = student_of(marta, 'Ines'), student_of(marta, 'Owen')
    path = f'/api/people/{student}/erasure'
    laps = sum(one['laps'] for one in marta.get('/api/sorties?text=carvalho&most=60')['sorties'])
    ask = {'name': 'Ines Carvalho', 'password': seed.PASSWORD}
    assert marta.call('POST', path, ask | {'password': 'wrong-password'}, status=403)
    assert 'name' in marta.call('POST', path, ask | {'name': 'Ines'}, status=422)['fields']
    Browser(app).sign_in('elias').call('POST', path, ask, status=403)
    chief = next(one['id'] for one in marta.get('/api/catalogue')['people'] if one['role'] == 'chief')
    marta.call('POST', f'/api/people/{chief}/erasure', {**ask, 'name': 'Marta Kowalczyk'}, status=409)
    entry = {'id': str(uuid.uuid4()), 'kind': 'exercise', 'code': 'go_around', 'words': 'Good'}
    marta.call('POST', f'/api/students/{student}/signoffs', {**entry, 'password': seed.PASSWORD}, status=201)
    told = marta.call('POST', path, ask)
    assert date.fromisoformat(told['keep_until']).year == TODAY.year + 3
    assert 'What was signed' in told['kept'][0]
    assert ines.client.get('/api/catalogue').status_code == 401
    with owner(app) as db:
        left = db.execute(
            text(
                'select (select count(*) from lap where student_id = :id), (select count(*) from sortie where '
                'student_id = :id), (select count(*) from homework where student_id = :id), (select count(*) from '
                'log_entry where person_id = :id), (select count(*) from sign_off where student_id = :id)'
            ),
            {'id': student},
        ).one()
        login = db.execute(text('select login, is_active from user_account where id = :id'), {'id': student}).one()
        words = db.execute(
            text(
                'select count(*) from lap join user_account u on u.id = lap.student_id '
                "where u.name like 'Former%' and note is not null"
            )
        ).scalar_one()
    assert tuple(left[:4]) == (0, 0, 0, 0)
    assert left[4] >= 1
    assert login.login.startswith('erased.')
    assert (login.is_active, words) == (False, 0)
    # the landings stay, as those of nobody
    assert marta.get('/api/sorties?text=carvalho')['sorties'] == []
    former = marta.get('/api/sorties?text=Former&most=60')['sorties']
    assert sum(one['laps'] for one in former) == laps
    marta.call('POST', path, ask, status=409)
    # nothing was signed of whom: not even the name stays
    with owner(app) as db:
        db.execute(text('alter table sign_off disable trigger user'))
        db.execute(text('delete from sign_off where student_id = :id'), {'id': owen})
        db.commit()
    # the book of deeds names him too, as somebody who did and of whom something was done
    marta.call('PATCH', f'/api/people/{owen}', {'crosswind_limit_kt': 9})
    gone = marta.call('POST', f'/api/people/{owen}/erasure', ask | {'name': 'Owen Fairbairn'})
    assert gone['keep_until'] is None
    assert not any('What was signed' in one for one in gone['kept'])
    with owner(app) as db:
        named = text("select count(*) from deed where by_name = 'Owen Fairbairn' or words like '%Owen Fairbairn%'")
        assert db.execute(named).scalar_one() == 0
        ines_named = text("select count(*) from deed where words like '%Ines Carvalho%' and what <> 'sign_offs'")
        assert db.execute(ines_named).scalar_one() == 0
    assert 'Owen' not in str(marta.get('/api/catalogue')['people'])


def dumped(url: str) -> str:
    """Everything a database holds, as text."""
    programs = server_programs()
    assert programs is not None
    return backup.Database.of_url(url, programs).call('pg_dump', '--inserts', failed='no dump')


def lines_naming(url: str, names: list[str]) -> list[str]:
    """Every row that holds one of them, whatever its case."""
    return [line for line in dumped(url).splitlines() if any(name.lower() in line.lower() for name in names)]


TRACK = b'time,lat,lon\n' + b''.join(b'2026-11-20T10:%02d:00Z,52.1,-8.%03d\n' % (k, k) for k in range(40))


def named_everywhere(marta: Browser, app: APIFlask, sortie: int, cancelled: int) -> int:
    """Owen under three names: what is his, and what others wrote of him."""
    owen = student_of(marta, 'Owen')
    marta.call('PATCH', f'/api/people/{owen}', {'name': "Owen O'Malley (jr.)"})
    marta.call('PATCH', f'/api/people/{owen}', {'name': 'Øwen Fairbairn-Hale'})
    his = Browser(app)
    his.client.environ_base['HTTP_USER_AGENT'] = 'Tablet of the clubhouse'
    his.sign_in('øwen')
    line = {'flown_on': '2026-10-02', 'aircraft': 'Marram 160', 'role': 'solo', 'remarks': 'As Owen Fairbairn.'}
    his.call('POST', '/api/logbook', {'line': line}, status=201)
    marta.send(f'/api/tracks/{uuid.uuid4()}?name=with%20owen%20fairbairn.csv', TRACK)
    marta.call('POST', f'/api/students/{owen}/homework', {'kind': 'drill', 'words': 'Owen: fly it off.'}, status=201)
    marta.put_lap(sortie, note='As Owen Fairbairn did it.')
    marta.put_lap(marta.sortie_of('Øwen'), note='His own.')
    marta.call('PUT', f'/api/sorties/{cancelled}/cancellation', {'reason': 'Øwen has the aircraft.'})
    marta.call('POST', '/api/invitations', {'name': 'owen fairbairn', 'role': 'student'}, status=201)
    app.extensions['bullseye_queue'].mail_link('Owen@Lantern-Bay.example', 'http://localhost/reset#')
    return owen


def test_nothing_in_the_database_names_whoever_was_erased(
    marta: Browser, app: APIFlask, demo_url: str, tmp_path, monkeypatch
):
    """Every string of theirs, former name and device too, in the whole dump; and again after an older backup."""
    monkeypatch.setenv('BULLSEYE_ERASED', str(tmp_path / 'erased.jsonl'))
    sortie, cancelled = marta.sortie_of('Ines'), marta.sortie_of('Priya')
    owen = named_everywhere(marta, app, sortie, cancelled)
    theirs = ['Owen Fairbairn', "Owen O'Malley", "O''Malley", 'Øwen', 'owen@lantern-bay', 'Tablet of the clubhouse']
    assert len(lines_naming(demo_url, theirs)) > 8
    database = backup.Database.of_url(demo_url, server_programs())
    older = backup.write(database, mode='school', folder=None, to=tmp_path / 'kept', version='9')

    told = marta.call('POST', f'/api/people/{owen}/erasure', {'name': 'Øwen Fairbairn-Hale', 'password': seed.PASSWORD})
    assert told['named_in'] == [f'Why sortie {cancelled} was cancelled.', f'The note of a lap of sortie {sortie}.']
    assert 'in backups' in ' '.join(told['kept'])
    assert not any('BULLSEYE_ERASED' in one for one in told['kept'])
    left = lines_naming(demo_url, theirs)
    assert [line.split()[2] for line in left] == ['public.lap', 'public.sortie']
    # put right by hand, as told; then nothing is left at all, and no deed holds the number
    marta.call('PUT', f'/api/sorties/{cancelled}/cancellation', {'reason': 'Another has the aircraft.'})
    (lap,) = [one for one in marta.get(f'/api/sorties/{sortie}/laps')['laps'] if one['note']]
    marta.put_lap(sortie, lap_id=lap['id'], note=None)
    assert lines_naming(demo_url, theirs) == []
    with owner(app) as db:
        assert db.execute(text('select count(*) from deed where by_id = :id'), {'id': owen}).scalar_one() == 0
    (listed,) = (tmp_path / 'erased.jsonl').read_text().splitlines()
    assert not [name for name in theirs if name.lower() in listed.lower()]
    assert (tmp_path / 'erased.jsonl').stat().st_mode & 0o077 == 0

    # an older backup holds all of it again, until the database is made ready
    restored = database.renamed(f'{database.name}_older')
    backup.restore(older, restored, replace=False, folder=None)
    url = demo_url.replace(database.name, restored.name)
    try:
        assert len(lines_naming(url, theirs)) > 8
        engine = open_engine(url)
        with session_maker(engine)() as db:
            assert erasing.erase_again(db) == 1
            assert erasing.erase_again(db) == 0
        engine.dispose()
        assert {line.split()[2] for line in lines_naming(url, theirs)} == {'public.lap', 'public.sortie'}
        assert 'Ines Carvalho' in dumped(url)
    finally:
        database.renamed('postgres').sql(f'drop database {restored.name} with (force)')


def test_an_instructor_who_is_erased_no_longer_signs_the_numbers_they_set(marta: Browser, app: APIFlask):
    elias, sortie = Browser(app).sign_in('elias'), marta.sortie_of('Owen')
    who = student_of(marta, 'Elias')
    with owner(app) as db:  # nothing of theirs is kept by law any more
        db.execute(text('alter table sign_off disable trigger user'))
        db.execute(
            text("update sign_off set signed_at = '2020-02-03' where :id in (signed_by, student_id)"), {'id': who}
        )
        db.commit()
    elias.send(f'/api/tracks/{uuid.uuid4()}?name=tuesday.csv', TRACK)  # of no sortie
    mine = {'number': 'aim_point_ft', 'value': 210.0, 'reason': 'The hangar line.'}
    assert elias.call('PATCH', f'/api/sorties/{sortie}', {'overruled': [mine]})['overruled'][0]['by'] == 'Elias Brandt'
    told = marta.call('POST', f'/api/people/{who}/erasure', {'name': 'Elias Brandt', 'password': seed.PASSWORD})
    assert told['keep_until'] is None
    (kept,) = marta.get(f'/api/sorties/{sortie}')['overruled']
    assert kept == mine | {'by': 'somebody erased'}
    with owner(app) as db:
        files = text('select name, raw is null from track_file where uploaded_by = :id and sortie_id is null')
        assert set(db.execute(files, {'id': who}).tuples()) == {('erased', True)}
    assert any('BULLSEYE_ERASED' in one for one in told['kept'])  # nobody named a place outside


def test_drills_without_a_landing_are_scored_and_stand_in_the_record(marta: Browser):
    student, sortie = student_of(marta, 'Priya'), marta.sortie_of('Priya')
    wanted = marta.call('POST', f'/api/sorties/{sortie}/brief', {})['brief']['touchdown']['float_s']
    at = datetime.now(UTC) - timedelta(hours=2)
    for k in range(6):
        seen = {'outcome': 'drill', 'float_s': round(wanted + 1, 1) if k else round(0.8 * wanted, 1)}
        seen |= {'flown_at': (at + timedelta(minutes=4 * k)).isoformat()}
        marta.send_laps(sortie, (str(uuid.uuid4()), seen | {'marks': ['sank_through'] if k == 1 else []}))
    marta.send_laps(sortie, (str(uuid.uuid4()), {'outcome': 'drill'}))
    marta.send_laps(sortie, (str(uuid.uuid4()), {'outcome': 'low_approach', 'lateral_ft': -4.0}))
    marta.send_laps(
        sortie,
        (
            str(uuid.uuid4()),
            {'outcome': 'low_approach', 'lateral_ft': 3.0, 'marks': ['touched_runway', 'height_not_kept']},
        ),
    )
    laps = [
        one for one in marta.get(f'/api/sorties/{sortie}/laps')['laps'] if one['outcome'] in ('drill', 'low_approach')
    ]
    verdicts = [[one['verdict'] for one in lap['score']['criteria']] for lap in laps]
    assert verdicts[0] == ['near', 'pass']
    assert verdicts[1] == ['pass', 'fail']
    assert verdicts[2] == ['pass', 'pass']
    assert verdicts[6] == ['unknown', 'unknown']
    assert verdicts[7:] == [['pass', 'pass', 'pass'], ['pass', 'fail', 'fail']]
    assert [lap['score']['points'] for lap in laps[:3]] == [30 + 40, 60, 100]
    assert laps[6]['score']['points'] is None
    assert all(lap['score']['hit'] is None for lap in laps)
    standings = {one['code']: one for one in marta.get(f'/api/students/{student}')['standings']}
    held = standings['deck_drill']['readiness']
    assert (held['judged'], held['met']) == (6, 4)
    assert standings['low_approach']['readiness']['state'] == 'unknown'


def test_how_a_runway_deceives_is_told_for_two_runways(marta: Browser):
    ends = [end for field in marta.get('/api/catalogue')['airfields'] for end in field['ends']]
    home = next(one for one in ends if one['ident'] == '05')
    said = {
        one['ident']: marta.get(f'/api/faults?runway_end_id={one["id"]}&home_end_id={home["id"]}')['illusions']
        for one in ends
    }
    assert 'much as at' in said['05'][0]
    low = [words for one in said.values() for words in one if 'flown at' in words or 'fly low' in words]
    assert low
    assert all('a mile from the aim point' in one[-1] for one in said.values() if 'much as at' not in one[0])
    marta.get(f'/api/faults?runway_end_id={2**30}&home_end_id={home["id"]}', status=404)


def test_night_landings_are_counted_by_the_sun_at_the_runway(marta: Browser):
    student, sortie = student_of(marta, 'Ines'), marta.sortie_of('Ines')
    marta.call('PATCH', '/api/school', {'currency_rules': ['three_by_night', 'three_full_stop']})
    midnight = datetime.combine(TODAY - timedelta(days=1), datetime.min.time(), UTC) + timedelta(hours=2, minutes=30)
    for number, (hours, outcome) in enumerate(
        [(0, 'full_stop'), (1, 'full_stop'), (2, 'touch_and_go'), (12, 'full_stop')]
    ):
        at = midnight + timedelta(hours=hours, minutes=number)
        lap = {'outcome': outcome, 'along_ft': 800.0, 'flown_at': at.isoformat()}
        marta.send_laps(sortie, (str(uuid.uuid4()), lap))
    night, full = marta.get(f'/api/students/{student}')['currency']
    assert '2 of 3 in the time; 1 more' in night['words']  # at noon it is day, and a touch-and-go is no full stop
    assert full['holds']


def test_a_mock_test_is_one_sortie_of_tasks_and_is_judged_by_every_standard(marta: Browser):
    owen = student_of(marta, 'Owen')
    made = marta.call(
        'POST', f'/api/students/{owen}/mock-test', {'planned_on': str(TODAY), 'standard_id': 1}, status=201
    )
    assert made['is_mock_test']
    assert [one['kind'] for one in made['lap_plan']] == ['normal', 'go_around', 'soft_field', 'short_field']
    sortie = made['id']
    marta.call('PATCH', f'/api/sorties/{sortie}', {'wind_kt': 5, 'wind_dir_deg_mag': 60, 'spot_ft': 600})
    speed = marta.call('POST', f'/api/sorties/{sortie}/brief', {})['brief']['speed']['recommended_speed_kias']
    seen = {'threshold_speed_kias': speed + 8, 'drift': 'none'}
    marta.send_laps(
        sortie,
        (str(uuid.uuid4()), {'outcome': 'touch_and_go', 'along_ft': 850.0, **seen}),
        (str(uuid.uuid4()), {'outcome': 'touch_and_go', 'along_ft': 590.0, 'landing': 'short_field', **seen}),
        (str(uuid.uuid4()), {'outcome': 'full_stop', 'along_ft': 640.0, 'marks': ['gate_not_met', 'wide'], **seen}),
    )
    by_name = {one['name']: one for one in marta.get(f'/api/sorties/{sortie}/examined')['standards']}
    found = {name: {item['code']: item['found'] for item in one['items']} for name, one in by_name.items()}
    assert found['US private']['normal'] == 'within'
    assert found['US commercial']['normal'] == 'outside'  # 250 ft beyond the spot, 8 kt fast
    assert found['US private']['short_field'] == 'outside'
    assert found['EASA PPL']['normal'] == 'unknown'
    assert found['US private']['decision'] == 'outside'
    laps = marta.get(f'/api/sorties/{sortie}/laps')['laps']
    assert [one['name'] for one in laps[2]['around']['faults']] == ['decision', 'spacing']
    reply = marta.client.get(f'/api/sorties/{sortie}/examined.pdf?standard_id=2')
    assert (reply.status_code, reply.data[:5], reply.headers['Cache-Control']) == (200, b'%PDF-', 'no-store')
    assert marta.get('/api/sorties/1/examined.pdf?standard_id=999', status=404)
    unknown = marta.call(
        'POST', f'/api/students/{owen}/mock-test', {'planned_on': str(TODAY), 'standard_id': 3}, status=422
    )
    assert 'complete a copy' in unknown['message']
    line = next(one for one in marta.get('/api/sorties')['sorties'] if one['id'] == sortie)
    assert line['is_mock_test']


def test_what_a_recorded_flight_measured_judges_the_rest_of_the_lap_and_the_record(marta: Browser, demo_url):
    owen = student_of(marta, 'Owen')
    before = marta.get(f'/api/students/{owen}')
    assert all(one['readiness']['judged'] == 0 for one in before['tasks'])
    file_id = next(one['id'] for one in marta.get('/api/tracks')['tracks'])
    body = {'student_id': owen, 'aircraft_id': None, 'standard_id': 1, 'landing': 'normal'}
    refused = marta.call('POST', f'/api/tracks/{file_id}/sortie', body, status=422)
    assert list(refused['fields']) == ['aircraft_id']
    aircraft = marta.get('/api/catalogue')['aircraft'][0]['id']
    made = marta.call('POST', f'/api/tracks/{file_id}/sortie', body | {'aircraft_id': aircraft}, status=201)
    laps = marta.get(f'/api/sorties/{made["sortie_id"]}/laps')['laps']
    # the demo's flight overshoots final and is banked back; each of its laps was landed all the same
    for lap in laps:
        names = [one['name'] for one in lap['around']['faults']]
        assert names[:3] == ['decision', 'bank', 'overshoot']
        altitude = next(one for one in lap['around']['judged'] if one['name'] == 'altitude')
        assert (altitude['verdict'], altitude['limit']) == ('pass', '±100 ft')
    after = {one['task']: one for one in marta.get(f'/api/students/{owen}?standard_id=1')['tasks']}
    assert after['pattern']['readiness']['met'] == 0
    assert after['decision']['readiness']['judged'] == len(laps)
    standing = next(one for one in marta.get(f'/api/students/{owen}')['standings'] if one['code'] == 'pattern')
    assert standing['readiness']['state'] == 'not_yet'
    marta.call('PATCH', f'/api/sorties/{made["sortie_id"]}', {'takeoff': 'soft_field'})
    kinds = {one['takeoff']: one for one in marta.get(f'/api/students/{owen}?standard_id=1')['tasks']}
    assert kinds['soft_field']['laps'] == len(laps)
    # the flight is taken back: nothing of it is left in the record
    marta.call('DELETE', f'/api/tracks/{file_id}/match', status=204)
    gone = marta.get(f'/api/students/{owen}?standard_id=1')['tasks']
    assert all(one['readiness']['judged'] == 0 for one in gone)


def test_the_week_tells_who_flies_what_and_who_does_not(marta: Browser):
    monday = TODAY - timedelta(days=TODAY.weekday())
    week = marta.get(f'/api/week?first_day={monday}&today={TODAY}')
    booked = [one for one in week['booked'] if one['sortie']['planned_on'] == str(TODAY)]
    assert all(one['due'] for one in booked if not one['sortie']['laps'])
    flown = [one for one in week['booked'] if one['sortie']['laps']]
    assert all(not one['due'] for one in flown)
    names = {one['sortie']['student_name'] for one in week['booked']}
    assert not names & {one['name'] for one in week['not_booked']}
    later = marta.get(f'/api/week?first_day={TODAY + timedelta(days=400)}&today={TODAY}')
    assert not later['booked']
    assert {one['name'].split()[0] for one in later['not_booked']} == {'Ines', 'Owen', 'Priya', 'Tobias'}
    of_ines = marta.sortie_of('Ines')
    marta.call('PATCH', f'/api/sorties/{of_ines}', {'planned_on': str(TODAY + timedelta(days=401))})
    later = marta.get(f'/api/week?first_day={TODAY + timedelta(days=400)}&today={TODAY}')
    assert [one['sortie']['id'] for one in later['booked']] == [of_ines]
    assert 'Ines Carvalho' not in {one['name'] for one in later['not_booked']}


def test_laps_before_a_signature_are_told_by_who_signed_and_by_aircraft(marta: Browser, app: APIFlask):
    elias = Browser(app).sign_in('elias')
    for k, name in enumerate(('Ines', 'Owen', 'Priya', 'Tobias')):
        for signer in (marta, elias)[: 1 + (k > 1)]:
            entry = {'id': str(uuid.uuid4()), 'kind': 'exercise', 'code': 'landing_normal', 'words': 'Good'}
            path = f'/api/students/{student_of(marta, name)}/signoffs'
            signer.call('POST', path, {**entry, 'password': seed.PASSWORD}, status=201)
    lines = [one for one in marta.get('/api/overview')['needed'] if one['name'] == 'Normal landing']
    found = {one['by']: one for one in lines}
    assert {None, 'by Marta Kowalczyk', 'in the Marram 160'} <= set(found)
    assert found['by Marta Kowalczyk']['signed'] == 4
    assert found[None]['signed'] >= 6
    assert found[None]['low'] < found[None]['laps'] < found[None]['high']


def test_the_stage_of_a_student_follows_what_was_signed(marta: Browser):
    student = student_of(marta, 'Tobias')
    path = f'/api/students/{student}/signoffs'

    def stage(day=TODAY) -> str:
        return marta.get(f'/api/students/{student}?today={day}')['stage']

    assert stage() == 'No first solo has been signed here.'
    entry = {'kind': 'first_solo', 'words': 'Alone in the pattern', 'password': seed.PASSWORD}
    marta.call('POST', path, {**entry, 'id': str(uuid.uuid4())}, status=201)
    assert stage().startswith('Flies alone on a signature that holds until')
    assert stage(TODAY + timedelta(days=91)) == 'Has flown alone; the signature for it has run out.'
    marta.call('POST', path, {**entry, 'kind': 'recommendation', 'id': str(uuid.uuid4())}, status=201)
    assert stage() == 'Recommended for the test.'


def test_an_aircraft_that_the_school_does_not_have_is_refused_for_every_kind_of_signature(marta: Browser):
    student = student_of(marta, 'Ines')
    for kind, more in (('exercise', {'code': 'go_around'}), ('check_out', {}), ('first_solo', {})):
        entry = {'id': str(uuid.uuid4()), 'kind': kind, 'words': 'Good', 'aircraft_id': 999_999, **more}
        refused = marta.call(
            'POST', f'/api/students/{student}/signoffs', {**entry, 'password': seed.PASSWORD}, status=422
        )
        assert 'aircraft_id' in refused['fields']


def test_the_overview_is_printed_where_a_student_has_a_single_judged_landing(marta: Browser):
    sortie = marta.sortie_of('Tobias')
    marta.put_lap(sortie, along_ft=900.0, landing='forward_slip')
    row = next(one for one in marta.client.get('/api/overview.csv').text.splitlines() if 'forward_slip' in one)
    assert ',,' in row  # no scatter is known of one landing
    assert marta.client.get('/api/overview.pdf').status_code == 200


def test_nobody_signs_for_themselves(marta: Browser):
    me = marta.get('/api/session')['person']['id']
    refused = marta.call('POST', f'/api/students/{me}/signoffs', entry() | {'password': seed.PASSWORD}, status=422)
    assert 'nobody signs for themselves' in refused['fields']['student']
    assert marta.get(f'/api/students/{me}/signoffs')['signed'] == []
