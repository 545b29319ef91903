"""How often an answer asks the database: each question waits for the one before, and twenty people wait for all."""

import uuid

import pytest
from sqlalchemy import event

from tests.api.conftest import Browser
from tests.api.test_record import student_of

# of which one is who asks, and of which school; none of them grows with what is kept
MOST = {
    'the session': 5,
    'sorties': 4,
    'a sortie': 3,
    'a brief': 6,
    'a what-if': 6,
    'the plan': 7,
    'laps': 6,
    'a lap written': 10,
    'the kneeboard': 7,
    'the catalogue': 7,
    'a sortie changed': 7,
    'the fleet': 4,
    'a student': 21,
    'taking along': 33,
}


@pytest.mark.parametrize('laps', [2, 9])
def test_an_answer_takes_no_more_statements_than_it_needs(open_app, demo_url, laps):
    app = open_app(demo_url)
    marta = Browser(app).sign_in('marta')
    sortie, student = marta.sortie_of('Ines'), student_of(marta, 'Ines')
    asked: list[str] = []
    engine = app.extensions['bullseye_sessions'].kw['bind']
    event.listen(engine, 'before_cursor_execute', lambda _c, _k, statement, *_: asked.append(statement))

    def fly(along_ft: float) -> None:
        seen = {'outcome': 'touch_and_go', 'along_ft': along_ft, 'threshold_speed_kias': 61.0}
        marta.send_laps(sortie, (str(uuid.uuid4()), seen))

    for number in range(laps):
        fly(860.0 + 10 * number)
    path = f'/api/sorties/{sortie}'
    asks = {
        'the session': lambda: marta.get('/api/session'),
        'sorties': lambda: marta.get('/api/sorties'),
        'a sortie': lambda: marta.get(path),
        'a brief': lambda: marta.call('POST', f'{path}/brief', {}),
        'a what-if': lambda: marta.call('POST', f'{path}/brief', {'spot_ft': 700.0}),
        'the plan': lambda: marta.call('POST', f'{path}/plan', {}),
        'laps': lambda: marta.get(f'{path}/laps'),
        'a lap written': lambda: fly(900.0),
        'the kneeboard': lambda: marta.get(f'{path}/kneeboard'),
        'the catalogue': lambda: marta.get('/api/catalogue'),
        'a sortie changed': lambda: marta.call('PATCH', path, {'wind_kt': 8.0 + len(asked) % 3}),
        'the fleet': lambda: marta.get('/api/fleet'),
        'a student': lambda: marta.get(f'/api/students/{student}'),
        'taking along': lambda: marta.get(f'{path}/aboard'),
    }
    assert asks.keys() == MOST.keys()
    taken = {}
    for what, ask in asks.items():
        ask()  # what is kept between requests is kept
        asked.clear()
        ask()
        taken[what] = len(asked)
    print(taken)
    assert {what: number for what, number in taken.items() if number > MOST[what]} == {}
    # who asks is one question, for all of them: the cheapest answer of somebody signed in shows it
    asked.clear()
    marta.get('/api/syllabus')
    assert sum('person_of_cookie' in one for one in asked) == 1
    assert not any('set_config' in one and 'person_of_cookie' not in one for one in asked)
