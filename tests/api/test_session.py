import gzip
import re
from collections import Counter
from concurrent.futures import ThreadPoolExecutor

import brotli
import pytest
from sqlalchemy import text

from bullseye.core.given.standards import BUILT_IN
from bullseye.demo import seed
from bullseye.launch.places import WEB
from bullseye.store.people import joining
from tests.api.conftest import Browser, owner

CHIEF = {
    'school_name': 'Sandling Aero',
    'name': 'Ada Field',
    'login': 'Ada@Sandling.example',
    'password': 'a long enough one',
}


@pytest.fixture
def setup_code(empty_app):
    with owner(empty_app) as db:
        return joining.new_setup_code(db)


def test_nothing_of_a_school_is_shown_to_nobody(app):
    nobody = Browser(app)
    for path in ('/api/catalogue', '/api/sorties', '/api/sorties/1', '/api/sorties/1/laps'):
        assert nobody.get(path, status=401)['code'] == 'not_signed_in'
    sent = {'changes': [{'lap_id': '0e6ff9b2-3f3c-4c3b-9be5-1f6fd4fbbb10', 'lap': None, 'writer': nobody.written()}]}
    nobody.call('POST', '/api/sorties/1/laps/sent', sent, status=401)


def test_signing_in_and_out(app):
    someone = Browser(app)
    wrong = {'login': 'marta@lantern-bay.example', 'password': 'guessed wrong'}
    unknown = {'login': 'nobody@lantern-bay.example', 'password': 'guessed wrong'}
    replies = [someone.call('POST', '/api/session', body, status=401) for body in (wrong, unknown)]
    assert replies[0] == replies[1]  # which of the two is wrong is not told
    someone.enter('/api/session', {'login': 'MARTA@lantern-bay.example', 'password': seed.PASSWORD})
    assert someone.get('/api/session')['person']['role'] == 'chief'
    someone.call('DELETE', '/api/session', status=204)
    someone.get('/api/sorties', status=401)


def test_the_cookie_cannot_be_read_by_scripts_or_sent_from_elsewhere(app):
    client = app.test_client()
    token = client.get('/api/session').get_json()['csrf_token']
    body = {'login': 'marta@lantern-bay.example', 'password': seed.PASSWORD}
    assert client.post('/api/session', json=body).get_json()['code'] == 'csrf'  # no token, no write
    cookie = client.post('/api/session', json=body, headers={'X-CSRFToken': token}).headers['Set-Cookie']
    assert re.search('HttpOnly', cookie)
    assert re.search('SameSite=Lax', cookie)


def test_guessing_passwords_is_slowed_down(app):
    guesser = Browser(app)
    wrong = {'login': 'ines@lantern-bay.example', 'password': 'guessed wrong'}
    for _ in range(6):
        guesser.call('POST', '/api/session', wrong, status=401)
    assert guesser.call('POST', '/api/session', wrong, status=429)['code'] == 'too_often'
    right = wrong | {'password': seed.PASSWORD}
    guesser.call('POST', '/api/session', right, status=429)  # not even the right one, or guessing would pay


def test_many_guesses_at_once_are_no_more_than_one_after_the_other(app):
    wrong = {'login': 'ines@lantern-bay.example', 'password': 'guessed wrong'}
    guessers = [Browser(app) for _ in range(24)]
    with ThreadPoolExecutor(len(guessers)) as pool:
        asked = [
            pool.submit(one.client.post, '/api/session', json=wrong, headers={'X-CSRFToken': one.token})
            for one in guessers
        ]
        answers = Counter(one.result().status_code for one in asked)
    assert answers == {401: 6, 429: 18}
    # who knows the password of another account comes in, as often as they like
    for _ in range(9):
        Browser(app).enter('/api/session', {'login': 'owen@lantern-bay.example', 'password': seed.PASSWORD})


def test_one_click_sign_in_only_reaches_the_demo_school(app, empty_app, setup_code):
    offered = Browser(app).get('/api/session')['demo_people']
    assert [one['name'] for one in offered][:2] == ['Marta Kowalczyk', 'Elias Brandt']
    Browser(app).enter('/api/session/demo', {'person_id': offered[2]['id']})
    Browser(empty_app).enter('/api/setup', CHIEF | {'code': setup_code}, status=201)
    stranger = Browser(empty_app)
    assert stranger.get('/api/session')['demo_people'] == []
    stranger.call('POST', '/api/session/demo', {'person_id': 1}, status=404)


def test_the_first_run_is_guarded_by_the_code_and_happens_once(empty_app, setup_code):
    first = Browser(empty_app)
    assert first.get('/api/session')['needs_set_up'] is True
    refused = first.call('POST', '/api/setup', CHIEF | {'code': 'AAAA-BBBB-CCCC-DDDD'}, status=422)
    assert list(refused['fields']) == ['code']
    short = first.call('POST', '/api/setup', CHIEF | {'code': setup_code, 'password': 'short'}, status=422)
    assert list(short['fields']) == ['password']
    first.enter('/api/setup', CHIEF | {'code': setup_code}, status=201)  # the failed tries left nothing behind
    assert first.get('/api/session')['person']['name'] == 'Ada Field'
    assert len(first.get('/api/catalogue')['standards']) == len(BUILT_IN)
    Browser(empty_app).call('POST', '/api/setup', CHIEF | {'code': setup_code, 'login': 'other'}, status=403)


def test_a_new_model_is_told_to_the_chief_once(app, marta):
    assert marta.get('/api/session')['news'] is None  # a school that begins with it has nothing to unlearn
    with owner(app) as db:
        db.execute(text('update school set told_model_version = null'))
        db.commit()
    elias = Browser(app).sign_in('elias')
    assert elias.get('/api/session')['news'] is None
    news = marta.get('/api/session')['news']
    assert {move['landing'] for move in news['moves']} >= {'Short-field', 'Forward slip'}
    elias.call('PATCH', '/api/school', {'told_model_version': news['version']}, status=403)
    marta.call('PATCH', '/api/school', {'told_model_version': news['version']})
    assert marta.get('/api/session')['news'] is None


def test_an_invitation_works_once_and_gives_only_its_role(app, marta):
    made = marta.call('POST', '/api/invitations', {'name': 'Noor Haddad', 'role': 'student'}, status=201)
    token = made['link'].split('#')[1]
    guest = Browser(app)
    assert guest.call('POST', '/api/invitations/look', {'token': token})['school'] == 'Lantern Bay Flying School'
    taken = {'token': token, 'login': 'marta@lantern-bay.example', 'password': 'a long enough one'}
    guest.call('POST', '/api/invitations/accept', taken, status=409)
    guest.enter('/api/invitations/accept', taken | {'login': 'noor'}, status=201)
    assert guest.get('/api/session')['person']['role'] == 'student'
    Browser(app).call('POST', '/api/invitations/accept', taken | {'login': 'again'}, status=404)
    guest.call('POST', '/api/invitations', {'name': 'A Friend', 'role': 'chief'}, status=403)


def test_only_a_chief_invites_instructors(app):
    elias = Browser(app).sign_in('elias')
    elias.call('POST', '/api/invitations', {'name': 'New One', 'role': 'student'}, status=201)
    elias.call('POST', '/api/invitations', {'name': 'New One', 'role': 'instructor'}, status=403)


@pytest.mark.parametrize('coding', ['br', 'gzip'])
def test_scripts_and_answers_go_out_compressed(app, marta, coding):
    plain = marta.client.get('/api/catalogue')
    packed = marta.client.get('/api/catalogue', headers={'Accept-Encoding': coding})
    assert 'Content-Encoding' not in plain.headers
    assert packed.headers['Content-Encoding'] == coding
    assert 'Accept-Encoding' in packed.headers['Vary']
    unpack = {'br': brotli.decompress, 'gzip': gzip.decompress}[coding]
    assert unpack(packed.data) == plain.data
    assert len(packed.data) < 0.4 * len(plain.data)
    # what carries the token that guards writes is not compressed
    assert 'Content-Encoding' not in marta.client.get('/api/session', headers={'Accept-Encoding': coding}).headers
    script = re.search(r'/assets/[\w-]+\.js', (WEB / 'dist' / 'index.html').read_text())[0]
    with app.test_client().get(script, headers={'Accept-Encoding': coding}) as sent:
        assert sent.headers['Content-Encoding'] == coding


def test_pages_are_guarded_by_a_strict_policy(app):
    with app.test_client().get('/') as reply:
        headers = reply.headers
    policy = headers['Content-Security-Policy']
    assert "script-src 'self'" in policy
    assert 'unsafe' not in policy
    assert headers['X-Content-Type-Options'] == 'nosniff'
