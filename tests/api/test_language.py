"""In which language somebody is answered: their own choice, else what the device asks for."""

from tests.api.conftest import Browser

GERMAN, ENGLISH = 'Ausbildungshilfe: Flughandbuch', 'Training aid: the aircraft handbook'


def brief(browser: Browser, asked: str = '') -> str:
    sortie = browser.sorties()[0]['id']
    headers = {'Accept-Language': asked, 'X-CSRFToken': browser.token}
    reply = browser.client.post(f'/api/sorties/{sortie}/brief', json={}, headers=headers)
    assert reply.status_code == 200
    return str(reply.get_data(as_text=True))


def test_a_client_is_answered_in_the_language_that_it_asks_for(marta: Browser):
    assert ENGLISH in brief(marta)
    german = brief(marta, 'de-AT, en;q=0.5')
    assert GERMAN in german
    assert ENGLISH not in german
    assert ENGLISH in brief(marta, 'ja, fr;q=0.8')  # of which there are none
    assert ENGLISH in brief(marta, 'en-US')  # what is kept of an answer is kept by language


def test_what_somebody_chose_holds_on_every_device_for_them_alone(marta: Browser, ines: Browser):
    assert marta.get('/api/session')['language_chosen'] is None
    chosen = marta.call('PUT', '/api/language', {'language': 'de'})
    assert (chosen['language'], chosen['language_chosen']) == ('de', 'de')
    assert GERMAN in brief(marta, 'en')
    assert ENGLISH in brief(ines, 'en')
    refused = marta.call('PUT', '/api/language', {'language': 'xx'}, status=422)
    assert 'language' in refused['fields']
    back = marta.call('PUT', '/api/language', {'language': None})
    assert (back['language'], back['language_chosen']) == ('en', None)


def test_a_refusal_speaks_the_language_too(marta: Browser):
    sortie = marta.sorties()[0]['id']
    marta.call('PUT', '/api/language', {'language': 'de'})
    reply = marta.call('POST', f'/api/sorties/{sortie}/brief', {'spot_ft': -40}, status=422)
    marta.call('PUT', '/api/language', {'language': None})
    assert 'Aufsetzpunkt: -40 ft geht nicht. Geben Sie ein: einen Wert von mindestens 0 ft.' in str(reply['fields'])
