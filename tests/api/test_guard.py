"""What keeps the application from being used against its users."""

import json
import re
import uuid

import psycopg
import pytest
from sqlalchemy import event

from bullseye.api import create_app
from bullseye.api.proxies import NamedProxies, named_networks
from bullseye.core.basis.errors import InvalidInput
from bullseye.demo import seed
from tests.api.conftest import DESCRIBED, Browser


def raw(browser, method, path, data, **headers):
    return browser.client.open(path, method=method, data=data, headers={'X-CSRFToken': browser.token} | headers)


@pytest.mark.parametrize(
    ('body', 'kind', 'status'),
    [
        (b'{', 'application/json', 400),
        (b'not json', 'text/plain', 422),
        (b'[]', 'application/json', 422),
        (b'{"wind_kt": 1e999}', 'application/json', 422),
        (b'{"wind_kt": NaN}', 'application/json', 422),
        (b'{"a":' * 5_000 + b'1' + b'}' * 5_000, 'application/json', 400),
        (b'{"weight_lb": ' + b'9' * 300_000 + b'}', 'application/json', 413),
    ],
)
def test_a_hostile_body_is_refused_and_the_server_stands(marta, body, kind, status):
    sortie = marta.sortie_of('Ines')
    reply = raw(marta, 'POST', f'/api/sorties/{sortie}/brief', body, **{'Content-Type': kind})
    assert 400 <= reply.status_code < 500, reply.get_data(as_text=True)[:300]
    if status != 422:
        assert reply.status_code == status
    assert marta.get('/api/health')['status'] == 'up'


@pytest.mark.parametrize('method', ['POST', 'PUT', 'PATCH', 'DELETE'])
def test_no_write_without_the_token_of_the_session(marta, app, method):
    sortie = marta.sortie_of('Ines')
    paths = {
        'POST': '/api/sorties',
        'PUT': f'/api/sorties/{sortie}/laps/0e6ff9b2-3f3c-4c3b-9be5-1f6fd4fbbb10',
        'PATCH': f'/api/sorties/{sortie}',
        'DELETE': '/api/session',
    }
    stolen = Browser(app).token
    for token in ('', 'made-up', stolen):
        reply = marta.client.open(paths[method], method=method, json={}, headers={'X-CSRFToken': token})
        assert reply.status_code == 400
        assert reply.get_json()['code'] == 'csrf'
    assert marta.get('/api/session')['person'] is not None


def test_a_cookie_of_somebody_else_or_a_forged_one_opens_nothing(app, marta):
    client = app.test_client()
    cookie = marta.client.get_cookie('bullseye').value
    for forged in (cookie[:-4] + 'AAAA', 'eyJfdXNlcl9pZCI6IjEuMSJ9.x.y', ''):
        client.set_cookie('bullseye', forged)
        assert client.get('/api/sorties').status_code == 401


@pytest.mark.parametrize(
    'path',
    [
        '/assets/../../pyproject.toml',
        '/assets/%2e%2e/%2e%2e/pyproject.toml',
        '/..%2f..%2fpyproject.toml',
        '/assets/none.js',
    ],
)
def test_nothing_outside_the_front_end_is_served(app, path):
    reply = app.test_client().get(path)
    assert b'[project]' not in reply.data
    reply.close()


@pytest.mark.parametrize('sortie_id', ['0', '-1', '99999999999999999999', '1 or 1=1', 'null'])
def test_an_id_that_cannot_be_is_not_found(marta, sortie_id):
    assert marta.client.get(f'/api/sorties/{sortie_id}').status_code in (200, 404)
    assert 'sortie' not in (marta.client.get(f'/api/sorties/{sortie_id}').get_json(silent=True) or {'message': ''}).get(
        'laps', ''
    )
    marta.call('PATCH', f'/api/sorties/{sortie_id}', {'wind_kt': 3}, status=404)


def test_answers_with_data_are_never_cached(marta):
    for path in ('sorties', 'overview.csv', 'overview.pdf', 'logbook.csv', 'archive/mine', 'no/such/place', 'session'):
        reply = marta.client.get(f'/api/{path}')
        assert reply.headers['Cache-Control'] == 'no-store', path
        reply.close()
    reply = marta.client.get('/api/sorties')
    assert reply.headers['Referrer-Policy'] == 'same-origin'
    assert 'nosniff' in reply.headers['X-Content-Type-Options']


def test_only_the_names_of_this_server_are_answered_to_and_made_links_of(open_app, demo_url, monkeypatch):
    monkeypatch.setenv('BULLSEYE_HOSTS', 'landings.school.example, 192.0.2.20')
    monkeypatch.setenv('BULLSEYE_PROXIES', '1')
    monkeypatch.setenv('BULLSEYE_HSTS', '1')
    app = open_app(demo_url)
    client = app.test_client()
    behind = {'Host': 'landings.school.example', 'X-Forwarded-Proto': 'https', 'X-Forwarded-For': '198.51.100.7'}
    reply = client.get('/api/session', headers=behind)
    assert reply.status_code == 200
    assert reply.headers['Strict-Transport-Security'] == 'max-age=31536000'
    session = reply.get_json()
    marta = next(one for one in session['demo_people'] if one['name'].startswith('Marta'))
    token = {'X-CSRFToken': session['csrf_token']}
    entered = client.post('/api/session/demo', json={'person_id': marta['id']}, headers=behind | token).get_json()
    token = {'X-CSRFToken': entered['csrf_token']}
    asked = {'name': 'Ada', 'role': 'student'}
    made = client.post('/api/invitations', json=asked, headers=behind | token).get_json()
    assert made['link'].startswith('https://landings.school.example/join#')
    for host in ('evil.example', '192.0.2.20.evil.example', ''):
        assert client.get('/api/session', headers=behind | {'Host': host}).status_code == 400, host
    assert client.get('/api/session', headers=behind | {'Host': '192.0.2.20:8765'}).status_code == 200
    plain = client.get('/api/session', headers={'Host': '192.0.2.20'})
    assert 'Strict-Transport-Security' not in plain.headers


@pytest.mark.parametrize(
    ('proxies', 'peer', 'told', 'who', 'scheme'),
    [
        ('', '127.0.0.1', '198.51.100.7', '127.0.0.1', 'http'),  # nobody is named: not this machine either
        ('10.0.0.0/8', '127.0.0.1', '198.51.100.7', '127.0.0.1', 'http'),
        ('127.0.0.1', '127.0.0.1', '198.51.100.7', '198.51.100.7', 'https'),
        ('1', '::1', '198.51.100.7', '198.51.100.7', 'https'),  # as it was said before
        ('127.0.0.1, 10.0.0.0/8', '127.0.0.1', '203.0.113.9, 198.51.100.7, 10.2.3.4', '198.51.100.7', 'https'),
        ('127.0.0.1', '::ffff:127.0.0.1', '2001:db8::7', '2001:db8::7', 'https'),
        ('127.0.0.1', '127.0.0.1', 'unknown', '127.0.0.1', 'https'),
        ('127.0.0.1', '127.0.0.1', '198.51.100.7, nobody', '127.0.0.1', 'https'),
    ],
)
def test_what_proxies_tell_counts_from_those_that_are_named(proxies, peer, told, who, scheme):
    seen = {}

    def inner(environ, _start):
        seen.update(environ)
        return [b'']

    headers = {'HTTP_X_FORWARDED_FOR': told, 'HTTP_X_FORWARDED_PROTO': 'http, https', 'HTTP_X_FORWARDED_HOST': 'evil'}
    given = {'REMOTE_ADDR': peer, 'wsgi.url_scheme': 'http', 'HTTP_FORWARDED': 'for=evil', **headers}
    NamedProxies(inner, named_networks(proxies))(given, lambda *_: None)
    assert (seen['REMOTE_ADDR'], seen['wsgi.url_scheme']) == (who, scheme)
    assert not [name for name in seen if 'FORWARDED' in name]


def test_a_proxy_that_is_none_is_told_at_the_start(monkeypatch):
    monkeypatch.setenv('BULLSEYE_PROXIES', 'front.example')
    with pytest.raises(InvalidInput, match='addresses of proxies'):
        create_app(database_url='postgresql+psycopg://nobody@127.0.0.1:1/none', secret_key='x')


@pytest.mark.parametrize('login', ['elias\x00', '\x00', 'elias\ud800@x', '\udfff', 'a\x1fb'])
def test_a_login_that_no_database_takes_is_refused_in_words(app, login):
    nobody = Browser(app)
    for path, more in (('/api/session', {}), ('/api/password/set', {'token': 't'})):
        raw = json.dumps({'login': login, 'password': 'x', **more})
        headers = {'X-CSRFToken': nobody.token, 'Content-Type': 'application/json'}
        reply = nobody.client.post(path, data=raw, headers=headers)
        assert reply.status_code in (422, 404), (path, reply.get_data(as_text=True))
        assert reply.get_json()['message']


def test_every_file_of_the_front_end_is_what_it_says_it_is(app):
    client = app.test_client()
    whole = client.get('/')
    page = whole.get_data(as_text=True)
    whole.close()
    for path in re.findall(r'(?:src|href)="(/[^"]+)"', page):
        reply = client.get(path)
        assert reply.status_code == 200, path
        assert reply.headers['X-Content-Type-Options'] == 'nosniff', path
        reply.close()


@pytest.mark.parametrize('what', ['a list', 'a brief', 'laps', 'a sign-in', 'a mail'])
def test_a_connection_that_is_killed_anywhere_in_a_request_is_told_as_later(open_app, demo_url, what):
    """Before any statement of it, one after the other: never an error of ours, and the next request is answered."""
    app = open_app(demo_url)
    marta = Browser(app).sign_in('marta')
    sortie = marta.sortie_of('Ines')
    lap = {'outcome': 'touch_and_go', 'along_ft': 900.0}
    send = {'changes': [{'lap_id': str(uuid.uuid4()), 'lap': lap, 'writer': marta.written()}]}
    method, path, body = {
        'a list': ('GET', '/api/sorties', None),
        'a brief': ('POST', f'/api/sorties/{sortie}/brief', {}),
        'laps': ('POST', f'/api/sorties/{sortie}/laps/sent', send),
        'a sign-in': ('POST', '/api/session', {'login': 'elias@lantern-bay.example', 'password': seed.PASSWORD}),
        'a mail': ('PATCH', '/api/school', {'stale_days': 31}),
    }[what]
    engine, left = app.extensions['bullseye_sessions'].kw['bind'], [-1]

    def kill(connection, _cursor, _statement, _parameters, _context, _many):
        left[0] -= 1
        if left[0] == 0:
            pid = connection.connection.dbapi_connection.info.backend_pid
            with psycopg.connect(demo_url.replace('+psycopg', ''), autocommit=True) as other:
                other.execute('select pg_terminate_backend(%s, 2000)', [pid])

    event.listen(engine, 'before_cursor_execute', kill)
    statuses = []
    for number in range(1, 60):
        if what == 'a sign-in':
            marta = Browser(app)
        left[0] = number
        reply = marta.client.open(path, method=method, json=body, headers={'X-CSRFToken': marta.token})
        statuses.append(reply.status_code)
        if left[0] > 0:
            break  # it needs no more statements than that
        assert reply.status_code == 503, (number, reply.get_data(as_text=True)[:300])
        left[0] = -1
        assert marta.client.get('/api/session').status_code == 200
    event.remove(engine, 'before_cursor_execute', kill)
    assert len(statuses) > 2
    assert statuses[-1] < 300


def test_names_are_text_and_nothing_else(app, marta):
    name = '<img src=x onerror=alert(1)>'
    made = marta.call('POST', '/api/invitations', {'name': name, 'role': 'student'}, status=201)
    assert made['name'] == name  # kept as written; the page shows it as text
    refused = marta.call('POST', '/api/invitations', {'name': 'two\nlines', 'role': 'student'}, status=422)
    assert 'control characters' in refused['fields']['name']
    standard = marta.get('/api/catalogue')['standards'][0]['spec'] | {'name': 'Ours', 'source': 'a page\0'}
    refused = marta.call('POST', '/api/standards', {'spec': standard}, status=422)
    assert 'control characters' in refused['fields']['spec.source']


def test_every_path_of_the_description_needs_somebody_signed_in(app):
    open_to_all = {
        ('/api/session', 'get'),
        ('/api/session', 'post'),
        ('/api/session', 'delete'),
        ('/api/session/demo', 'post'),
        ('/api/setup', 'post'),
        ('/api/invitations/look', 'post'),
        ('/api/invitations/accept', 'post'),
        ('/api/password/look', 'post'),
        ('/api/password/set', 'post'),
        ('/api/password/forgotten', 'post'),
        ('/api/calendar/{key}.ics', 'get'),  # whoever has the secret link
    }
    nobody = Browser(app)
    seen = set()
    for path, methods in DESCRIBED['paths'].items():
        for method in methods.keys() & {'get', 'post', 'put', 'patch', 'delete'}:
            seen.add((path, method))
            if (path, method) in open_to_all:
                continue
            address = path.replace('{lap_id}', '0e6ff9b2-3f3c-4c3b-9be5-1f6fd4fbbb10')
            for name in ('{track_id}', '{file_id}'):
                address = address.replace(name, '0e6ff9b2-3f3c-4c3b-9be5-1f6fd4fbbb10')
            for name, value in (
                ('sortie_id', '1'),
                ('airfield_id', '1'),
                ('row_id', '1'),
                ('person_id', '1'),
                ('student_id', '1'),
                ('entry_id', '1'),
                ('note_id', '1'),
                ('homework_id', '1'),
                ('invitation_id', '1'),
                ('sign_in_id', '0e6ff9b2-3f3c-4c3b-9be5-1f6fd4fbbb10'),
                ('what', 'aircraft'),
                ('paper', 'a5'),
                ('number', '1'),
                ('form', 'gpx'),
            ):
                address = address.replace('{' + name + '}', value)
            reply = nobody.client.open(address, method=method.upper(), json={}, headers={'X-CSRFToken': nobody.token})
            assert reply.status_code == 401, (path, method, reply.status_code)
    assert open_to_all <= seen
