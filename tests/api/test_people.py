"""People over the years: sign-ins that end, passwords, roles, leaving and coming back, and the book of who did what."""

import io
import logging
import uuid
from concurrent.futures import ThreadPoolExecutor
from datetime import UTC, datetime, timedelta
from typing import Any

import pytest
from apiflask import APIFlask
from sqlalchemy import select, text
from sqlalchemy.exc import DBAPIError, OperationalError

from bullseye.demo import seed
from bullseye.store import scope
from bullseye.store.rows.flying import LapRevision
from bullseye.store.rows.people import User
from tests.api.conftest import Browser, close, owner

GOOD = 'heron lamp tidal quartz'


def person_of(browser: Browser, name: str) -> int:
    return next(one['id'] for one in browser.get('/api/catalogue')['people'] if one['name'].startswith(name))


def copy_of(browser: Browser, app: APIFlask) -> Browser:
    """Somebody who has a copy of a browser's cookie."""
    thief = Browser(app)
    cookie = browser.client.get_cookie('bullseye')
    assert cookie is not None
    thief.client.set_cookie('bullseye', cookie.value)
    thief.token = browser.token
    return thief


def test_signing_out_makes_a_copied_cookie_worthless(marta: Browser, app: APIFlask):
    thief = copy_of(marta, app)
    assert thief.get('/api/catalogue')['people']
    marta.call('DELETE', '/api/session', status=204)
    assert thief.client.get('/api/catalogue').status_code == 401


def test_each_sign_in_is_a_new_one_and_can_be_ended_from_elsewhere(app: APIFlask):
    first, second = Browser(app).sign_in('elias'), Browser(app).sign_in('elias')
    assert first.client.get_cookie('bullseye').value != second.client.get_cookie('bullseye').value
    rows = first.get('/api/sign-ins')['sign_ins']
    assert len(rows) == 2
    assert [one['is_this'] for one in rows].count(True) == 1
    other = next(one['id'] for one in rows if not one['is_this'])
    Browser(app).sign_in('marta').call('DELETE', f'/api/sign-ins/{other}', status=404)  # not hers
    first.call('DELETE', f'/api/sign-ins/{other}', status=204)
    assert second.client.get('/api/catalogue').status_code == 401
    assert first.get('/api/catalogue')
    third = Browser(app).sign_in('elias')
    first.call('DELETE', '/api/sign-ins', status=204)
    assert third.client.get('/api/catalogue').status_code == 401
    assert first.get('/api/catalogue')


def test_a_sign_in_that_nobody_has_seen_for_a_month_has_ended(app: APIFlask):
    elias = Browser(app).sign_in('elias')
    with owner(app) as db:
        db.execute(text("update sign_in set seen_at = now() - interval '29 days'"))
        db.commit()
    assert elias.get('/api/catalogue')  # and this was seen
    with owner(app) as db:
        assert db.execute(text("select min(seen_at) > now() - interval '1 minute' from sign_in")).scalar_one()
        db.execute(text("update sign_in set seen_at = now() - interval '31 days'"))
        db.commit()
    assert elias.client.get('/api/catalogue').status_code == 401


def test_a_changed_password_ends_all_other_devices(app: APIFlask):
    here, there = Browser(app).sign_in('owen'), Browser(app).sign_in('owen')
    here.call('PUT', '/api/password', {'old': 'not the old one', 'password': GOOD}, status=403)
    for weak in ('short', 'password123', 'owenfairbairn', 'aaaaaaaaaaaaaa'):
        refused = here.call('PUT', '/api/password', {'old': seed.PASSWORD, 'password': weak}, status=422)
        assert list(refused['fields']) == ['password']
        assert weak not in refused['message'] or weak == 'short'
    here.call('PUT', '/api/password', {'old': seed.PASSWORD, 'password': GOOD}, status=204)
    assert here.get('/api/catalogue')
    assert there.client.get('/api/catalogue').status_code == 401
    login = {'login': 'owen@lantern-bay.example'}
    Browser(app).call('POST', '/api/session', {**login, 'password': seed.PASSWORD}, status=401)
    assert Browser(app).call('POST', '/api/session', {**login, 'password': GOOD})['person']['name'] == 'Owen Fairbairn'


def test_a_link_sets_a_password_once_and_a_later_one_ends_it(marta: Browser, app: APIFlask):
    owen = person_of(marta, 'Owen')
    path = f'/api/people/{owen}/password-link'
    Browser(app).sign_in('owen').call('POST', path, status=403)
    elias = Browser(app).sign_in('elias')
    elias.call('POST', f'/api/people/{person_of(marta, "Marta")}/password-link', status=403)
    first = elias.call('POST', path, status=201)['link'].partition('#')[2]
    made = marta.call('POST', path, status=201)
    token = made['link'].partition('#')[2]
    nobody = Browser(app)
    nobody.call('POST', '/api/password/look', {'token': first}, status=404)
    nobody.call('POST', '/api/invitations/look', {'token': token}, status=404)  # it joins nobody
    assert nobody.call('POST', '/api/password/look', {'token': token})['name'] == 'Owen Fairbairn'
    nobody.call('POST', '/api/password/set', {'token': token, 'password': 'qwertyuiop'}, status=422)
    signed_in = Browser(app).sign_in('owen')
    assert nobody.call('POST', '/api/password/set', {'token': token, 'password': GOOD})['person']['id'] == owen
    assert signed_in.client.get('/api/catalogue').status_code == 401
    Browser(app).call('POST', '/api/password/set', {'token': token, 'password': GOOD}, status=404)
    with owner(app) as db:  # a link that has run out
        token = marta.call('POST', path, status=201)['link'].partition('#')[2]
        db.execute(text("update invitation set expires_at = now() - interval '1 second' where used_at is null"))
        db.commit()
    Browser(app).call('POST', '/api/password/look', {'token': token}, status=404)


def secret_of(answer: dict[str, Any]) -> str:
    return str(answer['link'].partition('#')[2])


def test_a_link_falls_with_the_rights_of_whom_it_is_for_and_of_who_made_it(marta: Browser, app: APIFlask):
    owen, elias_id = person_of(marta, 'Owen'), person_of(marta, 'Elias')
    elias = Browser(app).sign_in('elias')
    # an instructor's link for a student does not open the account of a chief
    token = secret_of(elias.call('POST', f'/api/people/{owen}/password-link', status=201))
    marta.call('PATCH', f'/api/people/{owen}', {'role': 'chief'})
    Browser(app).call('POST', '/api/password/set', {'token': token, 'password': GOOD}, status=404)
    # a chief who is one no more makes no chief by an invitation of before, but still a student
    marta.call('PATCH', f'/api/people/{elias_id}', {'role': 'chief'})
    elias = Browser(app).sign_in('elias')
    chief, student = (
        secret_of(elias.call('POST', '/api/invitations', {'name': f'New {role}', 'role': role}, status=201))
        for role in ('chief', 'student')
    )
    marta.call('PATCH', f'/api/people/{elias_id}', {'role': 'instructor'})
    form = {'login': 'new.one@example.org', 'password': GOOD}
    Browser(app).call('POST', '/api/invitations/accept', {'token': chief, **form}, status=404)
    Browser(app).enter('/api/invitations/accept', {'token': student, **form}, status=201)
    # who has left invites nobody
    other = secret_of(
        Browser(app).sign_in('elias').call('POST', '/api/invitations', {'name': 'Late', 'role': 'student'}, status=201)
    )
    marta.call('PATCH', f'/api/people/{elias_id}', {'is_active': False})
    Browser(app).call('POST', '/api/invitations/look', {'token': other}, status=404)


def test_a_new_link_ends_the_sign_ins_there_are(marta: Browser, app: APIFlask):
    owen = Browser(app).sign_in('owen')
    marta.call('POST', f'/api/people/{person_of(marta, "Owen")}/password-link', status=201)
    assert owen.client.get('/api/catalogue').status_code == 401


def test_nobody_who_is_erased_comes_back_by_any_door(marta: Browser, app: APIFlask):
    owen = person_of(marta, 'Owen')
    token = secret_of(marta.call('POST', f'/api/people/{owen}/password-link', status=201))
    erasure = {'password': seed.PASSWORD, 'name': 'Owen Fairbairn'}
    marta.call('POST', f'/api/people/{owen}/erasure', erasure)
    marta.call('POST', f'/api/people/{owen}/password-link', status=409)
    form = {'token': token, 'password': GOOD}
    for more in ({}, {'login': 'owen.again@example.org'}):
        Browser(app).call('POST', '/api/password/set', {**form, **more}, status=404)
    for change in ({'is_active': True}, {'role': 'chief'}, {'name': 'Owen'}):
        marta.call('PATCH', f'/api/people/{owen}', change, status=409)


def test_invitations_that_still_work_are_listed_and_withdrawn(marta: Browser, app: APIFlask):
    link = marta.call('POST', '/api/invitations', {'name': 'Ada', 'role': 'instructor'}, status=201)['link']
    (one,) = marta.get('/api/invitations')['invitations']
    assert (one['name'], one['role'], one['is_for_password']) == ('Ada', 'instructor', False)
    Browser(app).sign_in('elias').call('DELETE', f'/api/invitations/{one["id"]}', status=403)
    marta.call('DELETE', f'/api/invitations/{one["id"]}', status=204)
    assert marta.get('/api/invitations')['invitations'] == []
    Browser(app).call('POST', '/api/invitations/look', {'token': link.partition('#')[2]}, status=404)


def test_people_change_roles_leave_and_come_back_and_a_chief_is_always_left(marta: Browser, app: APIFlask):
    elias, owen, chief = (person_of(marta, name) for name in ('Elias', 'Owen', 'Marta'))
    away = Browser(app).sign_in('owen')
    marta.call('PATCH', f'/api/people/{owen}', {'is_active': False})
    assert away.client.get('/api/catalogue').status_code == 401
    assert 'Owen Fairbairn' not in str(marta.get('/api/catalogue')['people'])
    assert [one['id'] for one in marta.get('/api/people/left')['people']] == [owen]
    assert marta.get('/api/sorties?text=fairbairn')['sorties']  # with their laps, under their name
    marta.call('PATCH', f'/api/people/{owen}', {'is_active': True, 'name': 'Owen Fairbairn-Hale'})
    assert marta.get('/api/people/left')['people'] == []
    assert 'Fairbairn-Hale' in str(marta.get('/api/catalogue')['people'])
    for change in ({'role': 'instructor'}, {'is_active': False}):
        assert 'needs a chief' in marta.call('PATCH', f'/api/people/{chief}', change, status=409)['message']
    before = Browser(app).sign_in('elias')
    before.call('PATCH', f'/api/people/{owen}', {'role': 'chief'}, status=403)
    marta.call('PATCH', f'/api/people/{elias}', {'role': 'chief'})
    assert before.client.get('/api/catalogue').status_code == 401  # a role is never carried over
    second = Browser(app).sign_in('elias')
    with ThreadPoolExecutor(2) as pool:  # two chiefs who send each other away at once
        sent = [
            pool.submit(
                one.client.patch,
                f'/api/people/{other}',
                json={'role': 'student'},
                headers={'X-CSRFToken': one.token},
            )
            for one, other in ((marta, elias), (second, chief))
        ]
        codes = sorted(one.result().status_code for one in sent)
    assert codes[0] == 200
    assert codes[1] in (401, 403, 409)
    with owner(app) as db:
        assert (
            db.execute(text("select count(*) from user_account where role = 'chief' and is_active")).scalar_one() >= 1
        )


def test_what_was_done_is_written_down_read_by_the_chief_and_never_changed(marta: Browser, app: APIFlask):
    owen, sortie = person_of(marta, 'Owen'), marta.sortie_of('Owen')
    marta.call('PATCH', f'/api/people/{owen}', {'crosswind_limit_kt': 7})
    marta.call('PATCH', '/api/school', {'stale_days': 44})
    lap_id = str(uuid.uuid4())
    marta.put_lap(sortie, lap_id=lap_id)
    marta.call('POST', f'/api/sorties/{sortie}/laps/{lap_id}/reading', {'measure': 'along_ft', 'value': 700.0})
    marta.client.get('/api/archive/school.zip')
    elias = Browser(app).sign_in('elias')
    elias.call('GET', '/api/deeds', status=403)
    found = marta.get('/api/deeds')['deeds']
    words = [one['words'] for one in found]
    assert words[0].startswith('Signed in on')
    assert found[0]['by_name'] == 'Elias Brandt'
    assert 'Set the crosswind limit of Owen Fairbairn (kt) from 12 to 7.' in words
    assert 'Set the days after which an exercise is flown again from 30 to 44.' in words
    assert any('Corrected the touchdown' in one for one in words)
    assert any('as an archive' in one for one in words)
    limits = marta.get('/api/deeds?what=limits')['deeds']
    assert {one['what'] for one in limits} == {'limits'}
    for _ in range(70):
        marta.call('PATCH', '/api/school', {'stale_days': 30})
        marta.call('PATCH', '/api/school', {'stale_days': 31})
    seen, before = [], None
    while True:
        page = marta.get('/api/deeds' + (f'?before={before}' if before else ''))
        seen += [one['id'] for one in page['deeds']]
        before = page['before']
        if before is None:
            break
    assert seen == sorted(set(seen), reverse=True)
    assert len(seen) > 140
    with owner(app) as db, pytest.raises(DBAPIError, match='never changed'):
        db.execute(text("update deed set words = 'nothing happened'"))


def test_the_application_can_neither_date_a_deed_nor_give_it_another_name(marta: Browser, app: APIFlask):
    owen = person_of(marta, 'Owen')
    sessions = app.extensions['bullseye_sessions']
    forged = """insert into deed (school_id, done_at, by_id, by_name, what, words)
        select school_id, '2020-01-01', id, 'X', 'laps', '' from user_account where name like 'Owen%'"""
    for statement in (forged, 'delete from deed', "update deed set words = ''", 'truncate deed'):
        with sessions() as db:
            db.execute(text("select set_config('bullseye.school', '1', false)"))
            with pytest.raises(DBAPIError, match='permission denied'):
                db.execute(text(statement))
    for school, person, expected in (('1', owen, None), ('2', owen, 'nobody of this school'), ('1', 0, 'nobody')):
        with sessions() as db:
            db.execute(text("select set_config('bullseye.school', :school, false)"), {'school': school})
            noted = text("select note_deed(:person, 'laps', 'Something.')"), {'person': person}
            if expected is None:
                db.execute(*noted)
                db.commit()
            else:
                with pytest.raises(DBAPIError, match=expected):
                    db.execute(*noted)
    (told,) = [one for one in marta.get('/api/deeds')['deeds'] if one['words'] == 'Something.']
    assert told['by_name'] == 'Owen Fairbairn'
    assert abs(datetime.fromisoformat(told['done_at']) - datetime.now(UTC)) < timedelta(minutes=2)


def test_who_changed_or_took_away_the_lap_of_another_is_written_down(marta: Browser, app: APIFlask):
    elias, sortie, lap_id = Browser(app).sign_in('elias'), marta.sortie_of('Owen'), str(uuid.uuid4())
    marta.put_lap(sortie, lap_id=lap_id, along_ft=700.0)
    marta.put_lap(sortie, lap_id=lap_id, along_ft=710.0)  # her own: nobody need be told
    mine = elias.written() | {'had_revision': 1}
    elias.put_lap(sortie, lap_id=lap_id, along_ft=1_300.0, writer=mine)
    elias.put_lap(sortie, lap_id=lap_id, along_ft=1_310.0)  # his own by now
    marta.put_lap(sortie, lap_id=lap_id, along_ft=720.0, writer=marta.written() | {'had_revision': 2})
    elias.send_laps(sortie, (lap_id, None))
    told = [(one['by_name'], one['words']) for one in marta.get('/api/deeds?what=laps')['deeds']]
    assert told == [
        ('Elias Brandt', f'Took away a lap of sortie {sortie}, as Marta Kowalczyk had written it.'),
        ('Marta Kowalczyk', f'Changed a lap of sortie {sortie}, as Elias Brandt had written it.'),
        ('Elias Brandt', f'Changed a lap of sortie {sortie}, as Marta Kowalczyk had written it.'),
    ]
    with owner(app) as db:
        scope.see_every_school(db)
        kept = select(User.name).join(LapRevision, LapRevision.written_by == User.id).order_by(LapRevision.id)
        assert list(db.scalars(kept)) == ['Marta Kowalczyk', 'Elias Brandt']


def test_wrong_passwords_lock_nobody_else_out_and_say_how_long_to_wait(app: APIFlask):
    login = {'login': 'elias@lantern-bay.example'}
    attacker = Browser(app)
    for _ in range(6):
        attacker.call('POST', '/api/session', {**login, 'password': 'wrong-password'}, status=401)
    reply = attacker.client.post(
        '/api/session', json={**login, 'password': 'wrong-password'}, headers={'X-CSRFToken': attacker.token}
    )
    assert reply.status_code == 429
    wait_s = int(reply.headers['Retry-After'])
    assert 0 < wait_s <= 3_600
    assert 'try again in' in reply.get_json()['message']
    # the same login from elsewhere, and another one from here, are let in
    elsewhere = Browser(app)
    entered = elsewhere.client.post(
        '/api/session',
        json={**login, 'password': seed.PASSWORD},
        headers={'X-CSRFToken': elsewhere.token},
        environ_base={'REMOTE_ADDR': '192.0.2.7'},
    )
    assert entered.status_code == 200
    for name in ('marta', 'owen', 'ines', 'priya', 'tobias'):
        body = {'login': f'{name}@lantern-bay.example', 'password': seed.PASSWORD}
        assert Browser(app).call('POST', '/api/session', body)['person']


def test_a_form_is_refused_before_it_is_read_and_a_large_body_before_who_it_is_of_is_known(
    app: APIFlask, marta: Browser
):
    nobody = Browser(app)

    taken = [0]

    class Endless(io.RawIOBase):
        """A body that says how much was read of it."""

        def readable(self) -> bool:
            return True

        def readinto(self, into: bytearray) -> int:  # type: ignore[override]
            taken[0] += len(into)
            return len(into)

    path = f'/api/tracks/{uuid.uuid4()}?name=a.gpx'
    for browser, kind, status in (
        (nobody, 'multipart/form-data; boundary=x', 415),
        (nobody, 'application/x-www-form-urlencoded', 415),
        (nobody, 'application/octet-stream', 401),
        (Browser(app).sign_in('owen'), 'application/octet-stream', 403),
        (marta, 'multipart/form-data; boundary=x', 415),
    ):
        taken[0] = 0
        reply = browser.client.put(
            path,
            headers={'X-CSRFToken': browser.token, 'Content-Type': kind},
            environ_overrides={'wsgi.input': io.BufferedReader(Endless()), 'CONTENT_LENGTH': '48000000'},
        )
        assert reply.status_code == status, (kind, reply.get_data())
        assert taken[0] == 0
    # the token counts in its header only
    stolen = marta.client.post('/api/calendar', data={'csrf_token': marta.token})
    assert stolen.status_code == 415
    assert marta.client.post('/api/calendar', json={'csrf_token': marta.token}).status_code == 400


def test_a_database_that_does_not_answer_is_told_as_such(app: APIFlask, marta: Browser, monkeypatch, caplog):
    from bullseye.api.flying import days

    def gone(*_: object, **__: object) -> None:
        raise OperationalError('select secret from nowhere', {'password_hash': 'argon2-secret'}, Exception('no route'))

    monkeypatch.setattr(days.sortielist, 'page', gone)
    reply = marta.client.get('/api/sorties')
    assert reply.status_code == 503
    assert reply.headers['Retry-After'] == '5'
    assert 'try again' in reply.get_json()['message']
    assert 'argon2-secret' not in caplog.text


def test_no_secret_stands_in_a_log_or_an_error(app: APIFlask, marta: Browser, caplog):
    caplog.set_level(logging.DEBUG)
    with owner(app) as db, pytest.raises(DBAPIError) as raised:
        db.execute(text('select nothing from nowhere where hash = :hash'), {'hash': '$argon2id$secret'})
    assert '$argon2id$secret' not in str(raised.value)
    Browser(app).call(
        'POST', '/api/session', {'login': 'marta@lantern-bay.example', 'password': 'Secret-pass-1'}, status=401
    )
    marta.call('PUT', '/api/password', {'old': 'Secret-pass-1', 'password': 'Secret-pass-2'}, status=403)
    assert 'Secret-pass' not in caplog.text
    assert '$argon2' not in caplog.text


def test_the_same_thing_at_once_is_a_conflict_and_never_a_server_error(app: APIFlask, marta: Browser):
    links = [
        marta.call('POST', '/api/invitations', {'name': f'Twin {k}', 'role': 'student'}, status=201)['link']
        for k in range(6)
    ]
    tokens = [one.partition('#')[2] for one in links]
    browsers = [Browser(app) for _ in tokens]
    with ThreadPoolExecutor(6) as pool:
        sent = [
            pool.submit(
                browser.client.post,
                '/api/invitations/accept',
                json={'token': token, 'login': 'twin@lantern-bay.example', 'password': GOOD},
                headers={'X-CSRFToken': browser.token},
            )
            for browser, token in zip(browsers, tokens, strict=True)
        ]
        codes = sorted(one.result().status_code for one in sent)
    assert codes[0] == 201
    assert set(codes[1:]) == {409}
    spec = marta.get('/api/catalogue')['standards'][0]['spec'] | {'name': 'Ours at once'}
    with ThreadPoolExecutor(6) as pool:
        made = [
            pool.submit(marta.client.post, '/api/standards', json={'spec': spec}, headers={'X-CSRFToken': marta.token})
            for _ in range(6)
        ]
        codes = sorted(one.result().status_code for one in made)
    assert codes[0] == 201
    assert set(codes[1:]) <= {409, 422}


def test_forwarded_headers_are_believed_only_behind_a_proxy_that_was_configured(
    open_app_of, new_database, demo_template, monkeypatch
):
    told = {'X-Forwarded-Proto': 'https', 'X-Forwarded-For': '192.0.2.9'}

    def link_of(one: APIFlask) -> str:
        marta = Browser(one).sign_in('marta')
        body = {'name': 'Ada', 'role': 'student'}
        headers = {'X-CSRFToken': marta.token, **told}
        return str(marta.client.post('/api/invitations', json=body, headers=headers).get_json()['link'])

    url = new_database(demo_template)
    bare = open_app_of(url)
    assert link_of(bare).startswith('http://')
    close(bare)
    monkeypatch.setenv('BULLSEYE_PROXIES', '1')
    behind = open_app_of(url)
    assert link_of(behind).startswith('https://')
    close(behind)
