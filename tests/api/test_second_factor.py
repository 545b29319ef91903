"""A second factor: nobody gets in without it, nobody is locked out by losing it, and no code works twice."""

import time

import pyotp
import pytest
from sqlalchemy import text

from bullseye.api.limiter import limiter
from bullseye.demo import seed
from tests.api.conftest import Browser, owner

LOGIN = {'login': 'elias@lantern-bay.example', 'password': seed.PASSWORD}


def set_up(browser: Browser) -> tuple[pyotp.TOTP, list[str]]:
    """Turn it on as its owner does; the app, and the codes on paper."""
    browser.call('POST', '/api/second-factor/begin', {'password': 'Wrong-pass-1'}, status=403)
    begun = browser.call('POST', '/api/second-factor/begin', {'password': seed.PASSWORD})
    assert begun['picture'].startswith('data:image/svg+xml')
    app = pyotp.TOTP(begun['secret'])
    assert not browser.get('/api/second-factor')['is_on']  # not before the first right code
    wrong = f'{(int(app.now()) + 1) % 1_000_000:06d}'
    browser.call('POST', '/api/second-factor/confirm', {'code': wrong}, status=403)
    codes = browser.call('POST', '/api/second-factor/confirm', {'code': app.now()})['codes']
    assert len(set(codes)) == 10
    return app, codes


def entering(app, code: str | None, status: int) -> Browser:
    browser = Browser(app)
    reply = browser.call('POST', '/api/session', LOGIN | {'code': code}, status=status)
    if status == 200:
        browser.token = reply['csrf_token']
    else:
        assert reply['code'] == 'second_factor'
    return browser


def test_a_password_alone_is_not_enough_and_no_code_works_twice(app, elias):
    elsewhere = Browser(app).enter('/api/session', LOGIN)
    factor, paper = set_up(elias)
    assert elsewhere.client.get('/api/catalogue').status_code == 401  # signed out everywhere else
    entering(app, None, 401)
    used = factor.now()
    entering(app, used, 401)  # it has turned the factor on
    following = factor.at(time.time() + 30)  # a telephone whose clock is ahead
    entering(app, following, 200)
    entering(app, following, 401)
    entering(app, factor.at(time.time() - 120), 401)  # seen over a shoulder two minutes ago
    entering(app, '٣٣٣٣٣٣', 401)
    entering(app, paper[0].upper(), 200)
    entering(app, paper[0], 401)
    assert elias.client.get('/api/catalogue').status_code == 200
    assert elias.get('/api/second-factor') == {'is_on': True, 'is_asked': False, 'codes_left': 9}
    with owner(app) as db:
        kept = db.execute(text("select totp_secret, recovery_codes::text from user_account where name like 'Elias%'"))
        secret, codes = kept.one()
    assert factor.secret not in secret
    assert paper[1] not in codes
    elias.call('POST', '/api/second-factor/off', {'password': 'Wrong-pass-1'}, status=403)
    elias.call('POST', '/api/second-factor/off', {'password': seed.PASSWORD}, status=204)
    limiter.storage.reset()  # six wrong ones in a minute were enough
    Browser(app).enter('/api/session', LOGIN)


def test_guesses_are_counted_like_wrong_passwords(app, elias):
    set_up(elias)
    statuses = []
    for guess in range(8):
        reply = Browser(app).client.post('/api/session', json=LOGIN)  # no token: refused before it counts
        assert reply.status_code == 400
        browser = Browser(app)
        body = LOGIN | {'code': f'{guess:06d}'}
        reply = browser.client.post('/api/session', json=body, headers={'X-CSRFToken': browser.token})
        statuses.append(reply.status_code)
    assert statuses[0] == 401
    assert statuses[-1] == 429


@pytest.mark.parametrize('whom', ['teachers', 'everybody'])
def test_whom_the_school_asks_can_do_nothing_before_they_have_it(app, marta, elias, ines, whom):
    set_up(marta)
    marta.call('PATCH', '/api/school', {'second_factor': whom})
    assert elias.get('/api/session')['must_set_second_factor']
    refused = elias.get('/api/catalogue', status=403)
    assert refused['code'] == 'second_factor_missing'
    assert 'Your account' in refused['message']
    ines.get('/api/catalogue', status=403 if whom == 'everybody' else 200)
    # setting it up is all they may: not even a chief takes another's off meanwhile
    taken = elias.call('POST', '/api/people/1/second-factor/off', {'password': seed.PASSWORD}, status=403)
    assert taken['code'] == 'second_factor_missing'
    set_up(elias)
    assert not elias.get('/api/session')['must_set_second_factor']
    assert elias.get('/api/catalogue')
    assert (
        'asks for a second factor'
        in elias.call('POST', '/api/second-factor/off', {'password': seed.PASSWORD}, status=409)['message']
    )
    assert marta.get('/api/catalogue')
    elias.call('PATCH', '/api/school', {'second_factor': 'nobody'}, status=403)


def test_who_has_lost_both_is_let_in_again_by_the_chief_and_it_is_written_down(app, marta, elias):
    set_up(elias)
    person = next(one['id'] for one in marta.get('/api/catalogue')['people'] if one['name'].startswith('Elias'))
    path = f'/api/people/{person}/second-factor/off'
    elias.call('POST', path, {'password': seed.PASSWORD}, status=403)
    marta.call('POST', path, {'password': 'Wrong-pass-1'}, status=403)
    entering(app, None, 401)
    marta.call('POST', path, {'password': seed.PASSWORD}, status=204)
    assert elias.client.get('/api/catalogue').status_code == 401
    Browser(app).enter('/api/session', LOGIN)
    told = [one['words'] for one in marta.get('/api/deeds')['deeds']]
    assert any('Took the second factor from Elias' in words for words in told)


def test_a_link_for_a_new_password_does_not_stand_for_the_second_factor(app, marta, elias):
    factor, _ = set_up(elias)
    person = next(one['id'] for one in marta.get('/api/catalogue')['people'] if one['name'].startswith('Elias'))
    token = marta.call('POST', f'/api/people/{person}/password-link', status=201)['link'].partition('#')[2]
    browser = Browser(app)
    new = {'token': token, 'password': 'four quiet geese land'}
    assert browser.call('POST', '/api/password/set', new)['person'] is None
    browser = Browser(app)
    browser.call('POST', '/api/session', LOGIN | {'password': new['password']}, status=401)
    code = factor.at(time.time() + 30)
    browser.enter('/api/session', LOGIN | {'password': new['password'], 'code': code})
