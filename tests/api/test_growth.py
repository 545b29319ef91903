"""Nothing gets slower with the years: what an answer reads is the same with thirty thousand laps as with a thousand."""

import uuid
from collections.abc import Callable
from typing import Any

import pytest
from sqlalchemy import text

from bullseye.store import scope
from bullseye.store.database import open_engine, session_maker
from bullseye.store.learning import populations
from tests.api.conftest import Browser, close
from tests.growing import counted, fill

SIZES = (1_000, 30_000)


def asks(marta: Browser, sortie: int, flight: str) -> dict[str, Callable[[], Any]]:
    """What people ask all day, and what they write."""
    lap = {'outcome': 'touch_and_go', 'along_ft': 912.0, 'threshold_speed_kias': 64.0}
    change = {'wind_kt': 9, 'wind_dir_deg_mag': 40}
    of = marta.get(f'/api/sorties/{sortie}')
    student, day = of['student']['id'], of['planned_on']
    return {
        'session': lambda: marta.get('/api/session'),
        'catalogue': lambda: marta.get('/api/catalogue'),
        'sorties': lambda: marta.get('/api/sorties'),
        'sortie': lambda: marta.get(f'/api/sorties/{sortie}'),
        'brief': lambda: marta.call('POST', f'/api/sorties/{sortie}/brief', {'wind_kt': 7}),
        'plan': lambda: marta.call('POST', f'/api/sorties/{sortie}/plan', {}),
        'laps': lambda: marta.get(f'/api/sorties/{sortie}/laps'),
        'taking along': lambda: marta.get(f'/api/sorties/{sortie}/aboard'),
        'kneeboard': lambda: marta.get(f'/api/sorties/{sortie}/kneeboard'),
        'fleet': lambda: marta.get('/api/fleet'),
        'tracks': lambda: marta.get('/api/tracks'),
        'track': lambda: marta.get(f'/api/tracks/{flight}'),
        'match': lambda: marta.get(f'/api/tracks/{flight}/match/{sortie}'),
        'school': lambda: marta.get('/api/school'),
        'another page': lambda: marta.get(f'/api/sorties?after={day}.{sortie}&most=30'),
        'days of a month': lambda: marta.get(f'/api/sorties/days?first_day={day}&last_day={day}'),
        'find a name': lambda: marta.get('/api/sorties?text=carvalho'),
        'proposal': lambda: marta.get(f'/api/sorties/proposal?student_id={student}'),
        'record': lambda: marta.get(f'/api/students/{student}'),
        'examined': lambda: marta.get(f'/api/sorties/{sortie}/examined'),
        'timeline': lambda: marta.get(f'/api/students/{student}/timeline'),
        'sign-offs': lambda: marta.get(f'/api/students/{student}/signoffs'),
        'homework': lambda: marta.get(f'/api/students/{student}/homework'),
        'logbook': lambda: marta.get('/api/logbook'),
        'write a lap': lambda: marta.send_laps(sortie, (str(uuid.uuid4()), lap)),
        'change the wind': lambda: marta.call('PATCH', f'/api/sorties/{sortie}', change),
    }


@pytest.fixture(scope='module')
def read(
    open_app_of: Callable[[str], Any], new_database: Callable[..., str], demo_template: str
) -> dict[str, list[Any]]:
    """By question, what was read at each size."""
    found: dict[str, list[Any]] = {}
    for laps in SIZES:
        url = new_database(demo_template)
        engine = open_engine(url)
        fill(engine, laps=laps)
        with session_maker(engine)() as db:
            scope.see_every_school(db)
            populations.take_snapshot(db, db.execute(text('select id from school where is_demo')).scalar_one())
        app = open_app_of(url)
        used = app.extensions['bullseye_sessions'].kw['bind']
        marta = Browser(app).sign_in('marta')
        with engine.connect() as db:
            # a sortie of the last days with laps, of a pilot with many
            sortie = db.execute(
                text('select id from sortie where not from_demo order by planned_on desc limit 1')
            ).scalar_one()
            flight = str(db.execute(text('select id from track_file where report is not null limit 1')).scalar_one())
        for name, ask in asks(marta, sortie, flight).items():
            ask()  # what is made once and kept is made
            with counted(used) as as_planned:
                ask()
            with counted(used, by_index=True) as by_index:
                ask()
            found.setdefault(name, []).append((as_planned, by_index))
        close(app)
        engine.dispose()
    return found


def test_what_is_read_is_the_same_after_thirty_times_as_many_laps(read: dict[str, list[Any]]) -> None:
    for name, ((_, small), (_, large)) in read.items():
        assert large.statements == small.statements, name
        if name == 'fleet':  # a window of laps for each aircraft that has flown, of which the small school has fewer
            continue
        # the planner may go through a small table of aircraft or runways once more
        assert large.rows <= 1.4 * small.rows + 40, (name, small.rows, large.rows, large.worst)
        # an index of thirty times as many rows is a level deeper, and its rows lie on pages of their own
        assert large.pages <= 2 * small.pages + 150, (name, small.pages, large.pages)


def test_the_planner_reads_by_index_too(read: dict[str, list[Any]]) -> None:
    for name, (_, (large, by_index)) in read.items():
        assert large.rows <= 1.5 * by_index.rows + 400, (name, large.rows, by_index.rows, large.worst)
        assert large.rows < (8_000 if name == 'fleet' else 4_000), (name, large.rows, large.worst)


def test_reading_everything_would_be_noticed(new_database: Callable[..., str], demo_template: str) -> None:
    found = []
    for laps in (200, 2_000):
        engine = open_engine(new_database(demo_template))
        fill(engine, laps=laps)
        with counted(engine) as one, engine.connect() as db:
            db.execute(text('select avg(along_ft) from lap'))
        found.append(one.rows)
        engine.dispose()
    assert found[1] > 5 * found[0] > 500
