"""The real application on a real database, spoken to as a browser does: cookie and CSRF token included."""

import json
import os
import uuid
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from typing import Any

import pytest
from apiflask import APIFlask
from sqlalchemy import event
from sqlalchemy.engine import make_url
from sqlalchemy.orm import Session

from bullseye.api import create_app
from bullseye.api.limiter import limiter
from bullseye.demo import seed
from bullseye.jobs import Queue
from bullseye.launch.places import WEB
from bullseye.store import scope
from bullseye.store.database import open_engine, session_maker
from bullseye.store.people import joining
from bullseye.store.rows.people import School
from tests.working import as_application

# as the front end's types are made from it; tests/api/test_spec.py holds it against the code
DESCRIBED = json.loads((WEB / 'src' / 'api' / 'openapi.json').read_text(encoding='utf-8'))


class Browser:
    """One person's browser."""

    def __init__(self, app: APIFlask) -> None:
        self.client = app.test_client()
        self.device, self.sent = str(uuid.uuid4()), 0
        self.here = self.get('/api/session')
        self.token = self.here['csrf_token']

    def call(self, method: str, path: str, body: Any = None, *, status: int = 200, seen: object = '*') -> Any:
        """``seen``: the revision that is written over; usually whatever there is. None: it is not said."""
        headers = {'X-CSRFToken': self.token} | ({} if seen is None else {'If-Match': f'{seen}'})
        reply = self.client.open(path, method=method, json=body, headers=headers)
        assert reply.status_code == status, (reply.status_code, reply.get_data(as_text=True)[:800])
        return reply.get_json(silent=True)

    def get(self, path: str, *, status: int = 200) -> Any:
        self_token = getattr(self, 'token', '')
        reply = self.client.get(path, headers={'X-CSRFToken': self_token})
        assert reply.status_code == status, (reply.status_code, reply.get_data(as_text=True)[:800])
        return reply.get_json(silent=True)

    def send(self, path: str, raw: bytes, *, status: int = 200) -> Any:
        """Send bytes as they are."""
        headers = {'X-CSRFToken': self.token, 'Content-Type': 'application/octet-stream'}
        reply = self.client.put(path, data=raw, headers=headers)
        assert reply.status_code == status, (reply.status_code, reply.get_data(as_text=True)[:800])
        return reply.get_json(silent=True)

    def enter(self, path: str, body: dict[str, Any], *, status: int = 200) -> 'Browser':
        self.token = self.call('POST', path, body, status=status)['csrf_token']
        return self

    def sign_in(self, name: str) -> 'Browser':
        """As one of the demo's people, with one click: a password takes a quarter of a second to check."""
        person = next(one for one in self.here['demo_people'] if one['name'].lower().startswith(f'{name} '))
        return self.enter('/api/session/demo', {'person_id': person['id']})

    def sorties(self) -> list[dict[str, Any]]:
        return list(self.get('/api/sorties')['sorties'])

    def sortie_of(self, name: str) -> int:
        """Today's sortie of a demo student."""
        return next(one['id'] for one in self.sorties() if one['student_name'].startswith(name) and not one['laps'])

    def send_laps(self, sortie_id: int, *changes: tuple[str, Any], status: int = 200, **writer: Any) -> Any:
        """Send laps as this browser's device does, each with its id; None takes one away."""
        sent = []
        for lap_id, lap in changes:
            self.sent += 1
            sent.append({'lap_id': lap_id, 'lap': lap, 'writer': {'device': self.device, 'number': self.sent} | writer})
        return self.call('POST', f'/api/sorties/{sortie_id}/laps/sent', {'changes': sent}, status=status)

    def put_lap(
        self, sortie_id: int, *, lap_id: str | None = None, status: int = 200, writer: Any = None, **seen: Any
    ) -> Any:
        """Send one lap; what it is judged to be, or, with 409 or 422, why it was refused."""
        lap_id = lap_id or str(uuid.uuid4())
        body = {'outcome': 'touch_and_go', 'along_ft': 900.0} | seen
        reply = self.client.open(
            f'/api/sorties/{sortie_id}/laps/sent',
            method='POST',
            json={'changes': [{'lap_id': lap_id, 'lap': body, 'writer': writer or self.written()}]},
            headers={'X-CSRFToken': self.token},
        )
        found = reply.get_json()
        if reply.status_code == 422:
            assert status == 422, found
            short = {name.split('.', 2)[2].removeprefix('lap.'): text for name, text in found['fields'].items()}
            return found | {'fields': short}
        if reply.status_code != 200:
            assert reply.status_code == status, found
            return found
        refused = found['results'][0]['refused']
        if refused is not None:
            assert status == (422 if refused['fields'] else 409), refused
            return refused
        assert status == 200
        return next(one for one in self.get(f'/api/sorties/{sortie_id}/laps')['laps'] if one['id'] == lap_id)

    def written(self) -> dict[str, Any]:
        """How this browser's device signs its next change."""
        self.sent += 1
        return {'device': self.device, 'number': self.sent}

    def remove_lap(self, sortie_id: int, lap_id: str) -> None:
        self.send_laps(sortie_id, (lap_id, None))


def _app(url: str) -> APIFlask:
    app = create_app(database_url=as_application(url), secret_key='for tests only')
    app.config['TESTING'] = True
    return app


@contextmanager
def owner(app: APIFlask) -> Iterator[Session]:
    """A session of whom the tables belong to, on the database that an application is on just now."""
    there = limiter.storage.engine.url.database
    url = make_url(os.environ['BULLSEYE_TEST_DATABASE_URL']).set(database=there)
    engine = open_engine(url.render_as_string(hide_password=False))
    try:
        with session_maker(engine)() as db:
            yield db
    finally:
        engine.dispose()


def close(app: APIFlask) -> None:
    """Give all connections back."""
    app.extensions['bullseye_sessions'].kw['bind'].dispose()
    limiter.storage.engine.dispose()
    app.extensions['bullseye_queue'].close()


@pytest.fixture
def open_app() -> Iterator[Callable[[str], APIFlask]]:
    apps = []

    def make(url: str) -> APIFlask:
        apps.append(_app(url))
        return apps[-1]

    yield make
    for app in apps:
        close(app)


@pytest.fixture(scope='session')
def open_app_of() -> Callable[[str], APIFlask]:
    """Make an application that the caller closes."""
    return _app


@pytest.fixture(scope='session')
def kept_app(migrated: str) -> Iterator[APIFlask]:
    """One application a process: building one, and its statements, takes longer than most tests."""
    app = _app(migrated)
    yield app
    close(app)


@pytest.fixture
def app(kept_app: APIFlask, demo_url: str) -> Iterator[APIFlask]:
    """The application on the demo school."""
    there = make_url(demo_url).database

    def connect(_dialect: Any, _record: Any, _args: Any, where: dict[str, Any]) -> None:
        where['dbname'] = there

    engine = kept_app.extensions['bullseye_sessions'].kw['bind']
    event.listen(engine, 'do_connect', connect)
    kept_app.extensions['bullseye_queue'] = Queue(as_application(demo_url))
    limiter.storage.engine = open_engine(as_application(demo_url))
    yield kept_app
    close(kept_app)
    event.remove(engine, 'do_connect', connect)


@pytest.fixture
def marta(app: APIFlask) -> Browser:
    """The chief instructor of the demo school."""
    return Browser(app).sign_in('marta')


@pytest.fixture
def elias(app: APIFlask) -> Browser:
    """An instructor of the demo school."""
    return Browser(app).sign_in('elias')


@pytest.fixture
def ines(app: APIFlask) -> Browser:
    """A student of the demo school."""
    return Browser(app).sign_in('ines')


@pytest.fixture
def ada(app: APIFlask) -> Browser:
    """The chief instructor of another school."""
    with owner(app) as db:
        school = School(name='Sandling Aero', is_demo=False)
        db.add(school)
        db.flush()
        scope.bind(db, school.id)
        joining.add(db, school=school, login='ada@sandling.example', name='Ada', role='chief', password=seed.PASSWORD)
        db.commit()
    return Browser(app).enter('/api/session', {'login': 'ada@sandling.example', 'password': seed.PASSWORD})


@pytest.fixture
def empty_app(open_app: Callable[[str], APIFlask], empty_url: str) -> APIFlask:
    return open_app(empty_url)
