"""The real server and Debian's Chromium."""

import itertools
import os
import re
import signal
import subprocess
import sys
import time
import urllib.request
from collections.abc import Callable, Iterator
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from bullseye.launch.places import ROOT, WEB, chromium
from bullseye.launch.postgres import is_taken
from tests.working import as_application

FLAGS = [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
]
expect.set_options(timeout=30_000)  # what has happened is seen at once; a machine may be busy with others
AXE = (WEB / 'node_modules' / 'axe-core' / 'axe.min.js').read_text()


@pytest.fixture(scope='session')
def browser_type_launch_args(browser_type_launch_args: dict[str, Any]) -> dict[str, Any]:
    return browser_type_launch_args | {'executable_path': chromium(), 'args': FLAGS}


@pytest.fixture(scope='session')
def browser_context_args(browser_context_args: dict[str, Any]) -> dict[str, Any]:
    return (
        browser_context_args
        | {
            'viewport': {'width': 1280, 'height': 800},
            'service_workers': 'block',  # it fetches the whole application each time; test_cockpit.py has it where it matters
        }
    )


# below the ports that systems hand out by themselves, apart for tests that run side by side
_PORTS = itertools.count(21_000 + 1_000 * int(os.environ.get('PYTEST_XDIST_WORKER', 'gw0').removeprefix('gw')))


def _port() -> int:
    return next(port for port in _PORTS if not is_taken(port))


class Server:
    """gunicorn on a database, as ./bullseye up starts it."""

    def __init__(self, database_url: str) -> None:
        self.database_url = database_url
        self.is_untouched = True  # its database is the demo as it was made
        self.port = _port()
        self.url = f'http://127.0.0.1:{self.port}'
        self.environment = os.environ | {
            'BULLSEYE_DATABASE_URL': as_application(database_url),
            'BULLSEYE_SECRET_KEY': 'for tests only',
            'PYTHONPATH': str(ROOT / 'src'),
        }
        self.start()

    def start(self) -> None:
        command = [
            sys.executable,
            '-m',
            'gunicorn',
            '--bind',
            f'127.0.0.1:{self.port}',
            '--threads',
            '4',
            '--graceful-timeout',
            '2',
        ]
        self.process = subprocess.Popen(
            [*command, '--log-level', 'warning', 'bullseye.api:create_app()'],
            env=self.environment,
            start_new_session=True,
        )
        for _ in range(1_000):
            try:
                with urllib.request.urlopen(f'{self.url}/api/health', timeout=2):
                    return
            except OSError:
                time.sleep(0.05)
        raise AssertionError('the server does not answer')

    def kill(self) -> None:
        """End it and its workers at once, as a power cut would."""
        if self.process.poll() is None:
            os.killpg(self.process.pid, signal.SIGKILL)
            self.process.wait(timeout=15)

    def stop(self) -> None:
        self.process.send_signal(signal.SIGTERM)
        self.process.wait(timeout=15)


@pytest.fixture
def serve() -> Iterator[Callable[[str], Server]]:
    running: list[Server] = []

    def make(database_url: str) -> Server:
        running.append(Server(database_url))
        return running[-1]

    yield make
    for server in running:
        if server.process.poll() is None:
            server.kill()


@pytest.fixture(scope='session')
def kept_server(new_database: Callable[..., str], demo_template: str) -> Iterator[Server]:
    server = Server(new_database(demo_template))
    yield server
    server.kill()


@pytest.fixture
def still_server(kept_server: Server, remake_database: Callable[..., None], demo_template: str) -> Server:
    """A server on the demo school as it was made, for tests that only look: its database is made anew if it must be."""
    if not kept_server.is_untouched:
        remake_database(kept_server.database_url, demo_template)
        kept_server.is_untouched = True
    if kept_server.process.poll() is not None:
        kept_server.start()
    return kept_server


@pytest.fixture
def server(still_server: Server) -> Server:
    """A server on the demo school as it was made, to be written to."""
    still_server.is_untouched = False
    return still_server


@pytest.fixture
def quiet(page: Page) -> Iterator[list[str]]:
    """Nothing may go wrong unseen: what the page complains of fails the test, unless it is taken off the list."""
    said: list[str] = []
    page.on('pageerror', lambda error: said.append(str(error)))
    page.on('console', lambda message: said.append(message.text) if message.type == 'error' else None)
    yield said
    assert said == []


@pytest.fixture
def looking(page: Page, still_server: Server, quiet: list[str]) -> Page:
    """The chief instructor at her list of sorties, in a test that writes nothing."""
    return signed_in(page, still_server)


@pytest.fixture
def marta(page: Page, server: Server, quiet: list[str]) -> Page:
    """The chief instructor, at her list of sorties."""
    return signed_in(page, server)


def signed_in(page: Page, server: Server, *, name: str = 'Marta Kowalczyk') -> Page:
    """Sign in as the chief instructor, or another person of the demo, and go to the sorties of today."""
    page.goto(server.url)
    page.get_by_role('button', name=name).click()
    page.get_by_role('heading', name=re.compile(f'Students|Sorties|{name}')).first.wait_for()  # where each role begins
    page.get_by_role('link', name='Bullseye').click()
    page.get_by_role('heading', name='Sorties').wait_for()
    return page


def open_today(page: Page, student: str, *, under: str = 'Today') -> None:
    """Open a student's sortie of today; a device with a wrong clock lists it elsewhere."""
    page.get_by_role('region', name=under).get_by_role('link', name=student).click()
    page.get_by_role('heading', name='What moves').wait_for()


def serious_faults(page: Page, *, only: str | None = None) -> list[str]:
    """Serious and critical findings of axe-core on the page as it is, by all of its rules or by one."""
    if not page.evaluate('"axe" in window'):
        page.evaluate(AXE)
    rules = {'runOnly': [only]} if only else {}
    found = page.evaluate('(more) => axe.run(document, {resultTypes: ["violations"], ...more})', rules)
    return [
        f'{one["id"]}: {node["html"][:160]}'
        for one in found['violations']
        if one['impact'] in ('serious', 'critical')
        for node in one['nodes']
    ]
