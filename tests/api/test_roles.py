"""Who may do what: every operation of the API asked by every role, and by the chief of another school."""

import copy
import gzip
import re
import uuid
from dataclasses import dataclass
from typing import Any

import pytest
from sqlalchemy import event
from sqlalchemy.orm import Session

from bullseye.demo import seed
from bullseye.demo.fleet import field_files
from bullseye.sim.writers import write
from bullseye.store import scope
from tests.api.conftest import DESCRIBED, Browser
from tests.tracks.making import flown, recorded
from tests.working import work_off

METHODS = {'get', 'post', 'put', 'patch', 'delete'}
# an archive is taken into an empty school: tests/api/test_archive.py
# one's own second factor: tests/api/test_second_factor.py
# signing in and out, the first run and invitations are open to those whom they are for: tests/api/test_session.py
OPEN = re.compile(
    r'/api/(session|session/demo|setup|password/(look|set|forgotten)|invitations/(look|accept)|calendar/\{key\}.ics|archive/school|'
    r'second-factor(/(begin|confirm|off))?)$'
)
LOG = 'flown_on,aircraft,role\r\n2026-01-02,Marram 160,solo\r\n'
ABOARD = ('student', 'instructor')  # who flies the sortie of Owen in the demo
EVERYBODY, COACHES, CHIEF = ('student', 'instructor', 'chief'), ('instructor', 'chief'), ('chief',)
METAR = 'METAR LANT 251150Z 06012G18KT 9999 FEW030 14/08 Q1016'


def sign_in_of(chief: Browser) -> str:
    """Another sign-in of the chief's own, which she may end."""
    other = Browser(chief.client.application).sign_in('marta')
    return next(one['id'] for one in other.get('/api/sign-ins')['sign_ins'] if one['is_this'])


SYLLABUS = 'code,name,group,needs\r\nlanding_normal,Normal landing,landing,\r\nstalls,Stalls,altitude,\r\n'
TABLE = '\t0\t30\n0\t500\t560\n4000\t600\t670'
CSV = 'airport_ident,length_ft,width_ft,surface,le_ident,le_latitude_deg,le_longitude_deg,he_ident,he_latitude_deg,he_longitude_deg,le_elevation_ft\n'
CSV += 'SAND,2600,60,ASP,09,47.0,-38.0,27,47.0,-37.9896,12\n'


@dataclass(frozen=True)
class Ask:
    """One operation on what Lantern Bay has: as described, as asked, by whom it may be."""

    method: str
    described: str
    path: str
    roles: tuple[str, ...]
    body: Any = None
    raw: bytes | None = None
    is_list: bool = False  # answers everybody, each with their own school's


def _new(spec_of: dict[str, Any]) -> dict[str, Any]:
    return spec_of | {'name': f'Of the test {uuid.uuid4().hex[:6]}'}


def asks(chief: Browser, track_id: str) -> list[Ask]:
    """Every operation, with rows of Lantern Bay; those that take something away come last."""
    ours = chief.get('/api/catalogue')
    aircraft, field = ours['aircraft'][0], ours['airfields'][0]
    standard = chief.call('POST', '/api/standards', {'spec': _new(ours['standards'][0]['spec'])}, status=201)
    named = {'name': 'Of the house', 'spec': ours['techniques'][0]['spec']}
    technique = chief.call('POST', '/api/techniques', named, status=201)
    student = next(one for one in ours['people'] if one['role'] == 'student')
    sortie_id = chief.sortie_of('Owen')
    sortie = chief.get(f'/api/sorties/{sortie_id}')
    geojson = chief.get(f'/api/airfields/{field["id"]}/geojson')
    lap_id, piece_id = str(uuid.uuid4()), str(uuid.uuid4())
    chief.put_lap(sortie_id, lap_id=lap_id)
    lap = {'outcome': 'touch_and_go', 'along_ft': 800.0}
    writer = {'device': str(uuid.uuid4()), 'number': 1}
    change = {'lap_id': str(uuid.uuid4()), 'lap': lap, 'writer': writer}
    of_sortie, of_track = f'/api/sorties/{sortie_id}', f'/api/tracks/{track_id}'
    new_sortie = {f'{name}_id': sortie[name]['id'] for name in ('student', 'aircraft', 'standard')}
    new_sortie |= {name: sortie[name] for name in ('runway_end_id', 'landing', 'wind_kt', 'planned_on')}
    columns = chief.get(f'{of_track}/columns')['columns']
    chief.call('POST', f'{of_track}/match', {'sortie_id': sortie_id, 'pairs': []})  # the flight is Owen's too
    day = sortie['planned_on']
    of_spare = f'/api/sorties/{chief.sortie_of("Tobias")}'
    flown_sortie = {name: new_sortie[name] for name in ('student_id', 'aircraft_id', 'standard_id', 'landing')}
    told = {'wind_kt': 9.0, 'wind_dir_deg_mag': 60.0, 'aircraft_id': aircraft['id']}
    described_sortie, described_track = '/api/sorties/{sortie_id}', '/api/tracks/{file_id}'

    def sortie_ask(method: str, tail: str, roles: tuple[str, ...], body: Any = None, asked: str | None = None) -> Ask:
        return Ask(method, described_sortie + tail, of_sortie + (asked or tail), roles, body)

    def track_ask(method: str, tail: str, roles: tuple[str, ...], body: Any = None, asked: str | None = None) -> Ask:
        return Ask(method, described_track + tail, of_track + (asked or tail), roles, body)

    practised_on = f'runway_end_id={sortie["runway_end_id"]}&aircraft_id={aircraft["id"]}'

    def practised(person: Browser) -> dict[str, Any]:
        handed = person.client.get(f'/api/practice/path?{practised_on}').get_json()
        answers = [{'off_deg': 0.3, 'out_ft': 1_200.0, 'said': 'high'}] * 12
        return {'token': handed.get('token', 'of nobody'), 'answers': answers}

    owen = sortie['student']['id']
    erased = next(one['id'] for one in ours['people'] if one['name'] == 'Ines Carvalho')
    chief.call('POST', '/api/invitations', {'name': 'Ada', 'role': 'student'}, status=201)
    invited = chief.get('/api/invitations')['invitations'][0]['id']
    own = sign_in_of(chief)
    renewed = {'old': seed.PASSWORD, 'password': seed.PASSWORD}
    erasure = {'name': 'Ines Carvalho', 'password': seed.PASSWORD}
    exercises = chief.get('/api/syllabus')['exercises']
    line = {'flown_on': day, 'aircraft': 'Marram 160', 'role': 'solo', 'remarks': uuid.uuid4().hex}
    of_chief = chief.call('POST', '/api/logbook', {'line': line | {'from_field': 'LANT'}}, status=201)
    note = chief.call(
        'POST', f'/api/students/{owen}/notes', {'code': 'stalls', 'noted': 'introduced', 'noted_on': day}, status=201
    )
    entry = {'id': str(uuid.uuid4()), 'kind': 'exercise', 'code': 'landing_normal', 'words': 'Good'}
    homework = chief.call('POST', f'/api/students/{owen}/homework', {'kind': 'drill', 'words': 'Calls'}, status=201)

    def student_ask(method: str, tail: str, roles: tuple[str, ...], body: Any = None, asked: str | None = None) -> Ask:
        path = f'/api/students/{owen}{asked or tail}'
        return Ask(method, f'/api/students/{{student_id}}{tail}', path, roles, body)

    return [
        Ask('get', '/api/catalogue', '/api/catalogue', EVERYBODY, is_list=True),
        Ask('get', '/api/disputes', '/api/disputes', EVERYBODY, is_list=True),
        Ask('get', '/api/school', '/api/school', EVERYBODY, is_list=True),
        Ask('get', '/api/sorties', '/api/sorties', EVERYBODY, is_list=True),
        Ask('get', '/api/sorties/days', f'/api/sorties/days?first_day={day}&last_day={day}', EVERYBODY, is_list=True),
        Ask('get', '/api/sorties/proposal', '/api/sorties/proposal', COACHES, is_list=True),
        Ask('post', '/api/calendar', '/api/calendar', EVERYBODY, {}, is_list=True),
        Ask('delete', '/api/calendar', '/api/calendar', EVERYBODY, is_list=True),
        Ask('get', '/api/tracks', '/api/tracks', EVERYBODY, is_list=True),
        Ask('get', '/api/overview', '/api/overview', COACHES, is_list=True),
        Ask('get', '/api/overview.csv', '/api/overview.csv', COACHES, is_list=True),
        Ask('get', '/api/overview.pdf', '/api/overview.pdf', COACHES, is_list=True),
        Ask('get', '/api/syllabus', '/api/syllabus', EVERYBODY, is_list=True),
        Ask('get', '/api/archive/school.zip', '/api/archive/school.zip', CHIEF, is_list=True),
        Ask('get', '/api/archive/mine.zip', '/api/archive/mine.zip', EVERYBODY, is_list=True),
        Ask('get', '/api/syllabus.csv', '/api/syllabus.csv', EVERYBODY, is_list=True),
        Ask('put', '/api/syllabus', '/api/syllabus', CHIEF, {'exercises': exercises}, is_list=True),
        Ask('post', '/api/syllabus/file', '/api/syllabus/file', CHIEF, {'text': SYLLABUS}, is_list=True),
        Ask('get', '/api/faults', '/api/faults', EVERYBODY, is_list=True),
        Ask('get', '/api/practice', '/api/practice', EVERYBODY, is_list=True),
        Ask('get', '/api/practice/path', f'/api/practice/path?{practised_on}', EVERYBODY),
        Ask('get', '/api/practice/roundout', f'/api/practice/roundout?{practised_on}', EVERYBODY),
        Ask('post', '/api/practice', '/api/practice', EVERYBODY, practised),
        Ask('get', '/api/logbook', '/api/logbook', EVERYBODY, is_list=True),
        Ask('get', '/api/logbook/logbook.csv', '/api/logbook/logbook.csv', EVERYBODY, is_list=True),
        Ask('get', '/api/logbook/logbook.pdf', '/api/logbook/logbook.pdf', EVERYBODY, is_list=True),
        Ask('post', '/api/logbook', '/api/logbook', EVERYBODY, {'line': line}, is_list=True),
        Ask('post', '/api/logbook/file', '/api/logbook/file', EVERYBODY, {'text': LOG}, is_list=True),
        Ask('get', '/api/logbook/draft/{sortie_id}', f'/api/logbook/draft/{sortie_id}', ABOARD),
        Ask('delete', '/api/logbook/{entry_id}', f'/api/logbook/{of_chief["id"]}', CHIEF),
        Ask('post', '/api/logbook/{entry_id}/restore', f'/api/logbook/{of_chief["id"]}/restore', CHIEF, {}),
        student_ask('get', '', EVERYBODY),
        student_ask('get', '/timeline', EVERYBODY),
        student_ask('get', '/signoffs', EVERYBODY),
        student_ask('get', '/signoffs.pdf', EVERYBODY),
        student_ask('get', '/homework', EVERYBODY),
        student_ask('post', '/notes', COACHES, {'code': 'stalls', 'noted': 'introduced', 'noted_on': day}),
        student_ask('delete', '/notes/{note_id}', COACHES, asked=f'/notes/{note["id"]}'),
        student_ask('post', '/next-sortie', COACHES, {'planned_on': day}),
        student_ask('post', '/mock-test', COACHES, {'planned_on': day}),
        student_ask('post', '/signoffs/look', COACHES, entry),
        student_ask('post', '/signoffs', COACHES, {**entry, 'password': seed.PASSWORD}),
        student_ask('post', '/homework', COACHES, {'kind': 'drill', 'words': 'Calls'}),
        student_ask('patch', '/homework/{homework_id}', EVERYBODY, {'done': True}, f'/homework/{homework["id"]}'),
        student_ask('delete', '/homework/{homework_id}', COACHES, asked=f'/homework/{homework["id"]}'),
        Ask('get', '/api/week', f'/api/week?first_day={day}', COACHES, is_list=True),
        Ask('get', '/api/fleet', '/api/fleet', COACHES, is_list=True),
        Ask('post', '/api/tables', '/api/tables', COACHES, {'kind': 'landing', 'text': TABLE}, is_list=True),
        Ask('post', '/api/airfields/table', '/api/airfields/table', COACHES, {'text': CSV}, is_list=True),
        Ask(
            'post',
            '/api/techniques/check',
            '/api/techniques/check',
            EVERYBODY,
            {'spec': technique['spec'], 'aircraft_id': aircraft['id']},
        ),
        Ask(
            'post',
            '/api/loading',
            '/api/loading',
            EVERYBODY,
            {'aircraft_id': aircraft['id'], 'loading': {'people_lb': [170.0, 150.0]}},
        ),
        Ask(
            'post',
            '/api/airfields/{airfield_id}/metar',
            f'/api/airfields/{field["id"]}/metar',
            EVERYBODY,
            {'text': METAR},
        ),
        Ask('post', '/api/airfields/{airfield_id}/ranking', f'/api/airfields/{field["id"]}/ranking', COACHES, told),
        Ask('get', '/api/airfields/{airfield_id}/station', f'/api/airfields/{field["id"]}/station', EVERYBODY),
        Ask('get', '/api/airfields/{airfield_id}/geojson', f'/api/airfields/{field["id"]}/geojson', EVERYBODY),
        sortie_ask('get', '', EVERYBODY),
        sortie_ask('get', '/aboard', EVERYBODY),
        sortie_ask('get', '/cards', EVERYBODY),
        sortie_ask('get', '/kneeboard', EVERYBODY),
        sortie_ask('get', '/kneeboard-{paper}.pdf', EVERYBODY, asked='/kneeboard-a5.pdf'),
        sortie_ask('get', '/laps', EVERYBODY),
        sortie_ask('get', '/examined', EVERYBODY),
        sortie_ask('get', '/examined.pdf', EVERYBODY),
        sortie_ask('get', '/tracks', EVERYBODY),
        sortie_ask('get', '/sortie.ics', EVERYBODY),
        sortie_ask('post', '/copy', COACHES, {'planned_on': day}),
        Ask('put', '/api/sorties/{sortie_id}/cancellation', f'{of_spare}/cancellation', COACHES, {'reason': 'wind'}),
        Ask('delete', '/api/sorties/{sortie_id}/cancellation', f'{of_spare}/cancellation', COACHES),
        Ask('delete', '/api/sorties/{sortie_id}', of_spare, COACHES),
        Ask('post', '/api/sorties/{sortie_id}/restore', f'{of_spare}/restore', COACHES, {}),
        sortie_ask('post', '/brief', EVERYBODY, {}),
        sortie_ask('post', '/plan', EVERYBODY, {}),
        track_ask('get', '', EVERYBODY),
        track_ask('get', '/file', EVERYBODY),
        track_ask('get', '/export.{form}', EVERYBODY, asked='/export.gpx'),
        track_ask('get', '/laps/{number}', EVERYBODY, asked='/laps/1'),
        track_ask('get', '/columns', COACHES),
        track_ask('get', '/match/{sortie_id}', COACHES, asked=f'/match/{sortie_id}'),
        Ask('post', '/api/sorties', '/api/sorties', COACHES, new_sortie),
        sortie_ask('patch', '', COACHES, {'wind_kt': 7.0}),
        sortie_ask('post', '/laps/sent', COACHES, {'changes': [change]}),
        sortie_ask(
            'post',
            '/laps/{lap_id}/reading',
            COACHES,
            {'measure': 'along_ft', 'value': 640.0},
            f'/laps/{lap_id}/reading',
        ),
        Ask('put', '/api/sorties/{sortie_id}/tracks/{track_id}', f'{of_sortie}/tracks/{piece_id}', COACHES, raw=PIECE),
        Ask('post', '/api/tracks/of-sortie/{sortie_id}', f'/api/tracks/of-sortie/{sortie_id}', COACHES, {}),
        Ask('post', '/api/aircraft', '/api/aircraft', COACHES, {'spec': _new(aircraft['spec'])}, is_list=True),
        Ask('put', '/api/aircraft/{row_id}', f'/api/aircraft/{aircraft["id"]}', COACHES, {'spec': aircraft['spec']}),
        Ask('post', '/api/airfields', '/api/airfields', COACHES, {'geojson': ANOTHER_FIELD}, is_list=True),
        Ask('put', '/api/airfields/{airfield_id}', f'/api/airfields/{field["id"]}', COACHES, {'geojson': geojson}),
        Ask('post', '/api/standards', '/api/standards', CHIEF, {'spec': _new(standard['spec'])}, is_list=True),
        Ask('put', '/api/standards/{row_id}', f'/api/standards/{standard["id"]}', CHIEF, {'spec': standard['spec']}),
        Ask(
            'post',
            '/api/techniques',
            '/api/techniques',
            COACHES,
            {'name': 'Of a test', 'spec': technique['spec']},
            is_list=True,
        ),
        Ask(
            'put',
            '/api/techniques/{row_id}',
            f'/api/techniques/{technique["id"]}',
            COACHES,
            {'name': 'Renamed', 'spec': technique['spec']},
        ),
        Ask('post', '/api/techniques/{row_id}/mine', f'/api/techniques/{technique["id"]}/mine', COACHES, {}),
        Ask('post', '/api/invitations', '/api/invitations', COACHES, {'name': 'Ada', 'role': 'student'}, is_list=True),
        Ask('get', '/api/sign-ins', '/api/sign-ins', EVERYBODY, is_list=True),
        Ask('delete', '/api/sign-ins', '/api/sign-ins', EVERYBODY, is_list=True),
        Ask('delete', '/api/sign-ins/{sign_in_id}', f'/api/sign-ins/{own}', CHIEF),
        Ask('put', '/api/language', '/api/language', EVERYBODY, {'language': None}, is_list=True),
        Ask('put', '/api/password', '/api/password', EVERYBODY, renewed, is_list=True),
        Ask('get', '/api/invitations', '/api/invitations', COACHES, is_list=True),
        Ask('get', '/api/people/left', '/api/people/left', CHIEF, is_list=True),
        Ask('get', '/api/deeds', '/api/deeds', CHIEF, is_list=True),
        Ask('get', '/api/backup', '/api/backup', CHIEF, is_list=True),
        Ask(
            'post',
            '/api/people/{person_id}/second-factor/off',
            f'/api/people/{owen}/second-factor/off',
            CHIEF,
            {'password': seed.PASSWORD},
        ),
        Ask('post', '/api/people/{person_id}/password-link', f'/api/people/{erased}/password-link', COACHES, {}),
        Ask('delete', '/api/invitations/{invitation_id}', f'/api/invitations/{invited}', COACHES),
        Ask('patch', '/api/school', '/api/school', CHIEF, {'crosswind_limit_kt': 9.0}, is_list=True),
        Ask('patch', '/api/people/{person_id}', f'/api/people/{student["id"]}', COACHES, {'crosswind_limit_kt': 7.0}),
        Ask('post', '/api/people/{person_id}/erasure', f'/api/people/{erased}/erasure', CHIEF, erasure),
        track_ask('delete', '/match', COACHES),
        track_ask('post', '/match', COACHES, {'sortie_id': sortie_id, 'pairs': []}),
        track_ask('delete', '/match', COACHES),
        track_ask('post', '/sortie', COACHES, flown_sortie),
        track_ask('delete', '/match', COACHES),
        track_ask('put', '/columns', COACHES, columns),
        track_ask('post', '/analysis', COACHES, {}),
        track_ask('delete', '', COACHES),
        track_ask('post', '/restore', COACHES, {}),
        Ask(
            'put', '/api/tracks/{file_id}', f'/api/tracks/{uuid.uuid4()}?name=new.gpx', COACHES, raw=TRACK, is_list=True
        ),
        Ask('delete', '/api/{what}/{row_id}', f'/api/aircraft/{ours["aircraft"][1]["id"]}', COACHES),
        Ask('post', '/api/{what}/{row_id}/restore', f'/api/aircraft/{ours["aircraft"][1]["id"]}/restore', COACHES, {}),
    ]


TRACK = write(recorded(flown('full-stop', 3, 'lant', '05'), gnss=False), 'gpx').encode()
CSV_TRACK = write(recorded(flown('full-stop', 3, 'lant', '05'), gnss=False), 'csv').encode()
PIECE = gzip.compress(b'{"t":[1790000000000,1000],"lat":[472000000,9],"lon":[-384000000,9],"acc":[30,0]}')
ANOTHER_FIELD = copy.deepcopy(field_files()['lant'])
for _one in ANOTHER_FIELD['features']:
    if _one['properties'].get('kind') not in ('runway', 'mark'):
        _one['properties'] |= {'name': 'Sandling', 'ident': 'SAND'}


def ask(person: Browser, one: Ask) -> Any:
    """The reply to an operation."""
    headers = {'X-CSRFToken': person.token, 'If-Match': '*'}
    if one.raw is not None:
        headers |= {'Content-Type': 'application/octet-stream'}
        return person.client.open(one.path, method=one.method.upper(), data=one.raw, headers=headers)
    given = one.body(person) if callable(one.body) else one.body
    body = {} if one.method == 'get' else {'json': given if given is not None else {}}
    return person.client.open(one.path, method=one.method.upper(), headers=headers, **body)


@pytest.fixture
def track_id(marta, demo_url) -> str:
    """A file of the school that has been analysed, of columns that can be asked for."""
    found = marta.send(f'/api/tracks/{uuid.uuid4()}?name=flight.csv', CSV_TRACK)
    work_off(demo_url)
    return str(found['id'])


def test_the_list_of_operations_is_whole(marta, track_id):
    listed = {(one.described, one.method) for one in asks(marta, track_id)}
    described = {
        (path, method)
        for path, methods in DESCRIBED['paths'].items()
        if not OPEN.match(path)
        for method in methods.keys() & METHODS
    }
    assert listed == described


@pytest.mark.parametrize('role', ['student', 'instructor', 'chief'])
def test_each_role_may_do_what_is_its_own_and_nothing_else(app, marta, track_id, role):
    login = {'student': 'owen', 'instructor': 'elias', 'chief': 'marta'}[role]
    whole = asks(marta, track_id)
    person = Browser(app).sign_in(login)
    wrong = []
    for one in whole:
        reply = ask(person, one)
        may = role in one.roles
        fine = reply.status_code < 300 if may else reply.status_code in (403, 404)
        if not fine:
            wrong.append((one.method, one.path, reply.status_code, reply.get_data(as_text=True)[:300]))
    assert not wrong


@pytest.fixture(params=['with the code that narrows', 'by the database alone'])
def narrowed(request):
    """With what keeps schools apart in the code, and without it."""
    alone = request.param != 'with the code that narrows'
    if alone:
        event.remove(Session, 'do_orm_execute', scope._narrow)
    yield
    if alone:
        event.listen(Session, 'do_orm_execute', scope._narrow)


def test_the_chief_of_another_school_reaches_nothing_of_this_one(marta, ada, track_id, narrowed):
    whole = asks(marta, track_id)
    names = {'Lantern Bay', 'Marta Kowalczyk', 'Owen', 'Ines', 'Marram 160', 'Elias'}
    before = {path: marta.get(path) for path in ('/api/catalogue', '/api/sorties', '/api/tracks', '/api/school')}
    wrong = []
    for one in whole:
        reply = ask(ada, one)
        text = reply.get_data().decode('utf-8', 'replace')
        if one.is_list:
            told = [name for name in names if name in text and name not in str(one.body)]
            if reply.status_code >= 300 or told:
                wrong.append((one.method, one.path, reply.status_code, told, text[:200]))
        elif reply.status_code not in (403, 404, 422) or (
            reply.status_code == 422 and any(name in text for name in names)
        ):
            wrong.append((one.method, one.path, reply.status_code, text[:200]))
    assert not wrong
    assert {path: marta.get(path) for path in before} == before
