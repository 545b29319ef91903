"""Real PostgreSQL for every test that wants a database; each gets one of its own, copied from a migrated template."""

import os
import time
import uuid
from collections.abc import Callable
from datetime import date

import psycopg
import pytest
from hypothesis import HealthCheck, settings
from sqlalchemy.engine import make_url

from bullseye.demo import seed
from bullseye.store.database import open_engine, session_maker
from bullseye.store.whole import upgrade
from tests.working import work_off

settings.register_profile('ci', deadline=None, derandomize=True, suppress_health_check=list(HealthCheck))
settings.load_profile('ci')


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    """What takes longest comes first, so that processes side by side end together."""
    items.sort(key=lambda item: 'tests/launch/' not in item.nodeid)


@pytest.fixture(scope='session')
def server_url() -> str:
    found = os.environ.get('BULLSEYE_TEST_DATABASE_URL')
    if not found:
        pytest.fail('run the tests with ./bullseye test, which starts their database')
    return found


def _on_server(server_url: str, statement: str) -> None:
    with psycopg.connect(server_url.replace('+psycopg', ''), autocommit=True) as connection:
        connection.execute(statement)


@pytest.fixture(scope='session')
def new_database(server_url: str) -> Callable[..., str]:
    """Make databases; ``template`` names one to copy. They go with their server, which is thrown away: faster by far."""

    def make(template: str | None = None) -> str:
        name = f't_{uuid.uuid4().hex[:12]}'
        source = f' template {make_url(template).database} strategy file_copy' if template else ''
        _on_server(server_url, f'create database {name}{source}')
        return make_url(server_url).set(database=name).render_as_string(hide_password=False)

    return make


@pytest.fixture(scope='session')
def remake_database(server_url: str) -> Callable[..., None]:
    """Make a database anew under the same address, from a template."""

    def remake(url: str, template: str) -> None:
        name = make_url(url).database
        with psycopg.connect(server_url.replace('+psycopg', ''), autocommit=True) as connection:
            connection.execute('select pg_terminate_backend(pid) from pg_stat_activity where datname = %s', [name])
            while connection.execute('select 1 from pg_stat_activity where datname = %s', [name]).fetchone():
                time.sleep(0.005)  # to drop it "with (force)" waits in steps of a tenth of a second
            connection.execute(f'drop database {name}')
            connection.execute(f'create database {name} template {make_url(template).database} strategy file_copy')

    return remake


# of all processes that run these tests side by side
_RUN = os.environ.get('PYTEST_XDIST_TESTRUNUID', uuid.uuid4().hex)


def _made_once(server_url: str, kind: str, new: Callable[[], str], fill: Callable[[str], None]) -> str:
    """A template made by whichever process comes first; the others wait for it."""
    name = f'{kind}_{_RUN[:12]}'
    found = make_url(server_url).set(database=name).render_as_string(hide_password=False)
    with psycopg.connect(server_url.replace('+psycopg', ''), autocommit=True) as connection:
        connection.execute('select pg_advisory_lock(hashtext(%s))', [name])
        if connection.execute('select 1 from pg_database where datname = %s', [name]).fetchone() is None:
            url = new()
            fill(url)
            connection.execute(f'alter database {make_url(url).database} rename to {name}')
    return found


@pytest.fixture(scope='session')
def migrated(server_url: str, new_database: Callable[..., str]) -> str:
    return _made_once(server_url, 'migrated', new_database, upgrade.upgrade)


@pytest.fixture(scope='session')
def demo_template(server_url: str, new_database: Callable[..., str], migrated: str) -> str:
    def fill(url: str) -> None:
        engine = open_engine(url)
        with session_maker(engine)() as db:
            assert seed.seed(db, today=date.today())
        engine.dispose()
        work_off(url)  # the recorded flight of the demo is analysed, as the worker does at its first start

    return _made_once(server_url, 'demo', lambda: new_database(migrated), fill)


@pytest.fixture
def empty_url(new_database: Callable[..., str], migrated: str) -> str:
    """A migrated database without a school."""
    return new_database(migrated)


@pytest.fixture
def demo_url(new_database: Callable[..., str], demo_template: str) -> str:
    """A database with the made-up school."""
    return new_database(demo_template)
