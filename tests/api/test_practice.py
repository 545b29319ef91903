"""Practice on the ground over the API: judged again by the server, counted once, for its owner alone."""

import numpy as np
import pytest

from bullseye.core.practise.threshold import Answer, belief, next_offset_deg


def where(browser):
    catalogue = browser.get('/api/catalogue')
    end = catalogue['airfields'][0]['ends'][0]['id']
    return f'runway_end_id={end}&aircraft_id={catalogue["aircraft"][0]["id"]}'


def seen_by(sigma_deg, bias_deg, pictures, seed=1):
    """What an eye says of the pictures it is shown."""
    rng, answers = np.random.default_rng(seed), []
    for _ in range(pictures):
        off = next_offset_deg(belief([Answer(off_deg=a['off_deg'], said=a['said']) for a in answers]))
        felt = (off - bias_deg) / sigma_deg + rng.normal()
        said = 'high' if felt > 0.5 else 'low' if felt < -0.5 else 'right'
        answers.append({'off_deg': off, 'out_ft': 2_400.0, 'said': said})
    return answers


def test_pictures_are_judged_and_kept_once(ines, marta):
    handed = ines.get(f'/api/practice/path?{where(ines)}')
    assert {one['kind'] for one in handed['drill']['scene']} >= {'pavement', 'paint', 'ground', 'edge_light'}
    answers = seen_by(0.4, -0.6, 40)
    found = ines.call('POST', '/api/practice', {'token': handed['token'], 'answers': answers})
    assert found['low'] <= 0.4 <= found['high']
    assert any('below the path' in words for words in found['words'])
    assert ines.call('POST', '/api/practice', {'token': handed['token'], 'answers': answers}) == found
    ines.call('POST', '/api/practice', {'token': handed['token'], 'answers': answers[:20]}, status=409)
    (line,) = ines.get('/api/practice')['practised']
    assert line['figure'] == pytest.approx(found['figure'])
    assert line['conditions']['runway'].startswith('Lantern Bay')
    person = ines.get('/api/session')['person']['id']
    assert marta.get(f'/api/practice?student_id={person}')['practised'] == [line]
    assert marta.get('/api/practice')['practised'] == []


def test_films_are_judged_by_what_was_handed_out(ines):
    handed = ines.get(f'/api/practice/roundout?{where(ines)}&headwind_kt=7')
    clips = handed['drill']['clips']
    assert all(one['time_s'][0] == 0 and one['truth']['end_s'] > one['truth']['roundout_s'] for one in clips)
    early = [{'clip': k, 'at_s': one['truth']['roundout_s'] - 1.0} for k, one in enumerate(clips)]
    found = ines.call('POST', '/api/practice', {'token': handed['token'], 'answers': early})
    sinks = [one['truth']['sink_fps'] for one in clips]
    assert found['figure'] == pytest.approx(np.mean(sinks), abs=0.1)  # a second early is as high as it sinks in one
    assert any('too early' in words for words in found['words'])


@pytest.mark.parametrize('of', ['altered', 'anothers', 'no answers', 'foreign answers', 'too many presses'])
def test_what_cannot_be_is_refused_and_keeps_nothing(ines, marta, of):
    handed = ines.get(f'/api/practice/path?{where(ines)}')
    films = ines.get(f'/api/practice/roundout?{where(ines)}')
    answers = seen_by(0.5, 0.0, 15)
    who, token = ines, handed['token']
    if of == 'altered':
        token = token[:-3] + ('abc' if token[-3:] != 'abc' else 'abd')
    elif of == 'anothers':
        who = marta
    elif of == 'no answers':
        answers = answers[:5]
    elif of == 'foreign answers':
        answers = [one | {'off_deg': 0.123} for one in answers]
    else:
        token, answers = films['token'], [{'clip': 0, 'at_s': 3.0}] * 2
    reply = who.call('POST', '/api/practice', {'token': token, 'answers': answers}, status=422)
    assert reply['fields']
    assert ines.get('/api/practice')['practised'] == []


def test_nobody_practises_on_what_another_school_has(ines, ada):
    ada.get(f'/api/practice/path?{where(ines)}', status=404)
    person = ines.get('/api/session')['person']['id']
    ada.get(f'/api/practice?student_id={person}', status=404)
