"""Whatever breaks meanwhile: what was acknowledged is stored, and the rest is said to have failed.

Killed processes, a killed database, a slow network, one that is cut in either direction, a full disk, no connection
left, a clock that jumps. What the device does of its own meanwhile is in tests/browser/test_unreliable.py, a killed server
under a browser in tests/browser/test_cockpit.py.
"""

import os
import shutil
import signal
import socket
import subprocess
import tempfile
import threading
import time
import uuid
from collections.abc import Callable
from contextlib import suppress
from datetime import UTC, datetime, timedelta
from http.client import HTTPException
from pathlib import Path

import psycopg
import pytest
from sqlalchemy import make_url, text

from bullseye.api import create_app
from bullseye.api.context import database
from bullseye.launch.backup import Database, write
from bullseye.launch.postgres import Cluster
from bullseye.launch.say import GiveUp
from bullseye.store.people import signins
from tests.api.conftest import Browser, close, open_app  # noqa: F401  (a fixture)
from tests.working import as_application

from .test_up import Running, data_folder  # noqa: F401  (a fixture)


def children(pid: int) -> dict[str, list[int]]:
    """Processes below one, by what they are."""
    listed = subprocess.run(['ps', '-eo', 'pid,ppid,args'], capture_output=True, text=True, check=True).stdout
    rows = [line.split(None, 2) for line in listed.splitlines()[1:]]
    below, grown = {pid}, True
    while grown:
        more = {int(one) for one, parent, _ in rows if int(parent) in below} - below
        grown, below = bool(more), below | more
    found: dict[str, list[int]] = {'web': [], 'work': []}
    for one, _, args in rows:
        if int(one) in below and 'bullseye.api:create_app' in args:
            found['web'].append(int(one))
        elif int(one) in below and 'bullseye.cli work' in args:
            found['work'].append(int(one))
    return found


def postmaster(folder: Path) -> int:
    return int((folder / 'postgres' / 'postmaster.pid').read_text().split()[0])


class Wire:
    """A network before the server: bytes go both ways as fast as ``slow_s`` a piece lets them, or not at all."""

    def __init__(self, port: int) -> None:
        self.to = ('127.0.0.1', port)
        self.slow_s, self.cut = 0.0, frozenset[str]()
        self.lost = {'up': 0, 'down': 0}
        self.listener = socket.create_server(('127.0.0.1', 0))
        self.port = self.listener.getsockname()[1]
        threading.Thread(target=self._accept, daemon=True).start()

    def _accept(self) -> None:
        while True:
            try:
                near, _ = self.listener.accept()
            except OSError:
                return
            far = socket.create_connection(self.to)
            for way, source, sink in (('up', near, far), ('down', far, near)):
                threading.Thread(target=self._carry, args=(way, source, sink), daemon=True).start()

    def _carry(self, way: str, source: socket.socket, sink: socket.socket) -> None:
        with suppress(OSError):
            while piece := source.recv(256 if self.slow_s else 65_536):
                time.sleep(self.slow_s)
                if way in self.cut:
                    self.lost[way] += len(piece)
                    time.sleep(0.3)  # nothing is heard for a while, and then the connection is gone
                    break
                sink.sendall(piece)
        for one in (source, sink):
            with suppress(OSError):
                one.shutdown(socket.SHUT_RDWR)
            one.close()


class Writer(threading.Thread):
    """Sends laps one after another and notes which were acknowledged; one that was not is sent again if it insists."""

    def __init__(self, running: Running, sortie_id: int, *, insists: bool = False) -> None:
        super().__init__(daemon=True)
        self.running, self.sortie_id, self.insists = running, sortie_id, insists
        self.acknowledged: set[str] = set()
        self.sent: dict[str, float] = {}
        self.failed, self.silent_s, self.goes_on = 0, 0.0, True

    def run(self) -> None:
        last = time.monotonic()
        device = str(uuid.uuid4())
        number, lap_id = 0, ''
        while self.goes_on or (self.insists and lap_id not in self.acknowledged):
            if not self.insists or lap_id in self.acknowledged or not lap_id:
                lap_id, number = str(uuid.uuid4()), number + 1
                self.sent[lap_id] = 700.0 + number % 300
            change = {
                'lap_id': lap_id,
                'lap': {'outcome': 'touch_and_go', 'along_ft': self.sent[lap_id]},
                'writer': {'device': device, 'number': number},
            }
            try:
                said = self.running.call('POST', f'/api/sorties/{self.sortie_id}/laps/sent', {'changes': [change]})
            except (OSError, ValueError, HTTPException):
                self.failed += 1
                time.sleep(0.1)
                continue
            if said['results'][0]['refused'] is None:
                self.acknowledged.add(lap_id)
                self.silent_s = max(self.silent_s, time.monotonic() - last)
                last = time.monotonic()


def test_killed_web_worker_and_database_lose_nothing_that_was_acknowledged(data_folder):  # noqa: F811
    running = Running(data_folder)
    try:
        session = running.call('GET', '/api/session')
        running.token = session['csrf_token']
        running.enter()
        sortie = next(one['id'] for one in running.call('GET', '/api/sorties')['sorties'] if not one['laps'])
        writer = Writer(running, sortie)
        writer.start()
        found = children(running.process.pid)
        assert len(found['web']) >= 2
        assert len(found['work']) == 1
        time.sleep(1.5)
        for pid in sorted(found['web'])[1:]:  # the workers; the first is their parent
            os.kill(pid, signal.SIGKILL)
        time.sleep(2)
        os.kill(found['work'][0], signal.SIGKILL)
        time.sleep(1)
        os.kill(postmaster(data_folder), signal.SIGKILL)
        time.sleep(1)
        until(lambda: running.call('GET', '/api/health'))  # it is started anew by itself
        before = len(writer.acknowledged)
        for _ in range(150):
            if len(writer.acknowledged) > before + 10:
                break
            time.sleep(0.2)
        writer.goes_on = False
        writer.join(timeout=20)
        until(lambda: running.call('GET', '/api/session'))
        stored = {lap['id'] for lap in running.call('GET', f'/api/sorties/{sortie}/laps')['laps']}
        assert len(writer.acknowledged) > before + 10  # it went on by itself
        assert writer.acknowledged <= stored
        assert children(running.process.pid)['work'] != found['work']  # another worker is there
        print(f'{len(writer.acknowledged)} acknowledged, {len(stored)} stored, {writer.failed} said to have failed')
    finally:
        running.stop()


def test_a_slow_network_and_one_cut_in_either_direction_lose_nothing(data_folder):  # noqa: F811
    running = Running(data_folder)
    try:
        running.token = running.call('GET', '/api/session')['csrf_token']
        running.enter()
        sortie = next(one['id'] for one in running.call('GET', '/api/sorties')['sorties'] if not one['laps'])
        wire = Wire(running.port)
        running.address = running.address.replace(str(running.port), str(wire.port))
        writers = [Writer(running, sortie, insists=True) for _ in range(3)]
        for writer in writers:
            writer.start()
        acknowledged = []
        for slow_s, cut in (
            (0.0, ''),
            (0.05, ''),
            (0.0, 'up'),
            (0.0, ''),
            (0.0, 'down'),
            (0.05, 'down'),
            (0.0, 'both'),
        ):
            wire.slow_s, wire.cut = slow_s, frozenset(('up', 'down') if cut == 'both' else (cut,))
            before = sum(len(one.acknowledged) for one in writers)
            time.sleep(2.5)
            acknowledged.append(sum(len(one.acknowledged) for one in writers) - before)
        wire.slow_s, wire.cut = 0.0, frozenset()
        for writer in writers:
            writer.goes_on = False
        for writer in writers:
            writer.join(timeout=30)
            assert not writer.is_alive()
        stored = running.call('GET', f'/api/sorties/{sortie}/laps')['laps']
        sent = {lap_id: feet for one in writers for lap_id, feet in one.sent.items()}
        assert {lap['id']: lap['along_ft'] for lap in stored} == sent  # each once, as it was noted
        assert set(sent) == {lap_id for one in writers for lap_id in one.acknowledged}
        assert min(acknowledged[0], acknowledged[1], acknowledged[3]) > 0  # slow is not cut
        assert max(acknowledged[2], *acknowledged[4:]) <= 3  # what was on its way
        assert min(wire.lost.values()) > 0
        assert sum(one.failed for one in writers) > 10
        print(f'{len(sent)} sent, {len(stored)} stored; by state {acknowledged}, lost {wire.lost}')
    finally:
        running.stop()


def until(works: Callable[[], object], *, or_else: Callable[[], object] = lambda: None) -> None:
    """Try until it works, for half a minute."""
    for _ in range(60):
        with suppress(OSError, psycopg.Error, GiveUp):
            works()
            return
        with suppress(GiveUp):
            or_else()
        time.sleep(0.5)
    works()


@pytest.fixture
def small_disk():
    """A disk of 60 MB with a PostgreSQL on it."""
    folder = Path(tempfile.mkdtemp(prefix='bullseye-full-'))
    folder.chmod(0o755)
    mounted = subprocess.run(
        ['mount', '-t', 'tmpfs', '-o', 'size=90m,mode=0755', 'tmpfs', folder], capture_output=True, check=False
    )
    if mounted.returncode:
        pytest.skip('a small disk can be made by root alone')
    yield folder
    subprocess.run(['umount', '-l', folder], check=False)
    shutil.rmtree(folder, ignore_errors=True)


def test_a_full_disk_refuses_what_it_cannot_keep_and_keeps_what_it_has(small_disk: Path, demo_template, monkeypatch):
    cluster = Cluster(small_disk)
    cluster.make()
    cluster.start()
    try:
        cluster.ensure_application()
        cluster.ensure_database('small')
        url = cluster.url('small').replace('+psycopg', '')
        acknowledged = 0
        with psycopg.connect(url, autocommit=True) as db:
            db.execute('create table kept (id int primary key, what bytea)')
            try:
                while acknowledged < 200:
                    db.execute('insert into kept values (%s, %s)', [acknowledged, os.urandom(1_000_000)])
                    acknowledged += 1
            except psycopg.OperationalError:
                pass  # full, and said so
        assert 3 < acknowledged < 200
        # the application says so too, and keeps nothing by halves
        app = create_app(database_url=cluster.url('small'), secret_key='of this test')
        monkeypatch.setenv('BULLSEYE_DISK', str(small_disk))

        @app.post('/api/large')
        def large():
            database().execute(text('insert into kept values (-1, :what)'), {'what': os.urandom(3_000_000)})
            return {}

        app.config['WTF_CSRF_CHECK_DEFAULT'] = False
        reply = app.test_client().get('/api/health')
        assert (reply.status_code, reply.get_json()['code']) == (503, 'disk_full')
        assert 'somebody must make room' in reply.get_json()['message']
        reply = app.test_client().post('/api/large')
        assert (reply.status_code, reply.get_json()['code']) == (503, 'disk_full')
        close(app)
        # a backup that does not fit, or cannot be made, leaves no file that looks like one
        with pytest.raises(GiveUp):
            write(
                Database.of_url(cluster.url('small'), cluster.programs),
                mode='school',
                folder=None,
                to=small_disk / 'backups',
                version='9',
            )
        assert not list(small_disk.glob('backups/*.tar'))
        assert not list(small_disk.glob('backups/*.part'))
        # with room again, all that was acknowledged is there
        subprocess.run(['mount', '-o', 'remount,size=400m', small_disk], check=True)
        until(lambda: psycopg.connect(url).close(), or_else=cluster.start)
        with psycopg.connect(url, autocommit=True) as db:
            stored = db.execute('select count(*) from kept').fetchone()[0]
        assert acknowledged <= stored <= acknowledged + 1
    finally:
        cluster.stop()


def test_without_a_connection_left_the_answer_is_503_and_it_recovers(open_app, demo_url):  # noqa: F811
    app = open_app(demo_url)
    engine = app.extensions['bullseye_sessions'].kw['bind']
    engine.pool._timeout = 0.2
    held = [engine.connect() for _ in range(engine.pool.size() + engine.pool._max_overflow)]
    try:
        reply = app.test_client().get('/api/session')
        assert reply.status_code == 503
        assert int(reply.headers['Retry-After']) > 0
        assert 'cannot reach its database' in reply.get_json()['message']
    finally:
        for one in held:
            one.close()
    assert app.test_client().get('/api/session').status_code == 200


def test_a_database_that_may_only_be_read_says_later_and_then_takes_it(open_app, demo_url):  # noqa: F811
    app = open_app(as_application(demo_url))
    marta = Browser(app).sign_in('marta')
    name = make_url(demo_url).database
    engine = app.extensions['bullseye_sessions'].kw['bind']

    def may_write(*, yes: bool) -> None:
        at = make_url(demo_url).set(drivername='postgresql', database='postgres')
        with psycopg.connect(at.render_as_string(hide_password=False), autocommit=True) as db:
            db.execute(f'alter database "{name}" set default_transaction_read_only = {"off" if yes else "on"}')
        engine.dispose()

    may_write(yes=False)
    assert 'try again shortly' in marta.call('PATCH', '/api/school', {'aim_step_ft': 35.0}, status=503)['message']
    may_write(yes=True)
    assert marta.get('/api/school')['aim_step_ft'] != 35.0
    marta.call('PATCH', '/api/school', {'aim_step_ft': 35.0})
    assert marta.get('/api/school')['aim_step_ft'] == 35.0


def test_a_clock_that_jumps_signs_nobody_in_for_ever_and_loses_no_order(open_app, demo_url, monkeypatch):  # noqa: F811
    """The server's clock goes back by a day, then on by two months."""
    app = open_app(demo_url)
    marta = Browser(app).sign_in('marta')
    now = datetime.now(UTC)

    class Clock(datetime):
        off = timedelta()

        @classmethod
        def now(cls, tz=None):
            return now + cls.off

    monkeypatch.setattr(signins, 'datetime', Clock)
    sortie_id = marta.sortie_of('Owen')
    marta.put_lap(sortie_id, outcome='touch_and_go', along_ft=700.0)
    Clock.off = -timedelta(days=1)
    marta.put_lap(sortie_id, outcome='touch_and_go', along_ft=720.0)
    assert [lap['along_ft'] for lap in marta.get(f'/api/sorties/{sortie_id}/laps')['laps']] == [700.0, 720.0]
    Clock.off = timedelta(days=61)
    assert marta.client.get('/api/catalogue').status_code == 401  # unseen for so long by that clock
    Clock.off = timedelta()
    assert Browser(app).sign_in('marta').get('/api/catalogue')
