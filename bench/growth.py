"""What a school of many years costs: rows and pages that each answer reads, and how long it takes, as laps grow.

Fills a school with 1,000, 30,000 and 1,000,000 laps (70,000 sorties, 300 people, 30 aircraft, 2,000 tracks) in a
database of its own, asks what people ask all day, and prints the ratio of the largest to the smallest.

    .venv/bin/python bench/growth.py
    .venv/bin/python bench/growth.py --laps 1000 300000
"""

from __future__ import annotations

import argparse
import json
import os
import random
import re
import shutil
import statistics
import subprocess
import sys
import tempfile
import threading
import time
import urllib.request
import uuid
from collections.abc import Iterator
from contextlib import contextmanager, suppress
from datetime import date
from http.cookiejar import CookieJar
from pathlib import Path
from typing import Any

import brotli
from sqlalchemy import create_engine, text

sys.path.insert(0, str(Path(__file__).parent.parent))

from tests.api.conftest import Browser, _app, close
from tests.api.test_growth import asks
from tests.growing import counted, fill
from tests.working import as_application

from bullseye.demo import seed
from bullseye.jobs.worker import work
from bullseye.launch.postgres import Cluster, free_port
from bullseye.store import scope
from bullseye.store.database import open_engine, session_maker
from bullseye.store.learning import populations
from bullseye.store.whole import upgrade

ROOT = Path(__file__).parent.parent
USERS, QUESTIONS, THINK_S = 20, 80, 1.0


@contextmanager
def throwaway_server() -> Iterator[str]:
    """A database server of its own."""
    folder = Path(tempfile.mkdtemp(prefix='bullseye-growth-'))
    folder.chmod(0o755)
    cluster = Cluster(folder, durable=False)
    try:
        cluster.make()
        cluster.start()
        cluster.ensure_application()
        cluster.ensure_database('test')
        # as the tests' helpers find owner and application
        os.environ['BULLSEYE_TEST_DATABASE_URL'] = cluster.url('test')
        os.environ['BULLSEYE_TEST_APPLICATION_URL'] = cluster.application_url('test')
        yield cluster.url('test')
    finally:
        cluster.stop()
        shutil.rmtree(folder, ignore_errors=True)


def filled(server: str, laps: int) -> str:
    """A database with a school of so many laps."""
    name = f'growth_{laps}'
    with create_engine(server, isolation_level='AUTOCOMMIT').connect() as db:
        db.execute(text(f'create database {name}'))
    url = server.rsplit('/', 1)[0] + f'/{name}'
    upgrade.upgrade(url)
    engine = open_engine(url)
    with session_maker(engine)() as db:
        seed.seed(db, today=date.today())
    work(url, until_done=True)
    began = time.perf_counter()
    fill(engine, laps=laps)
    with session_maker(engine)() as db:
        scope.see_every_school(db)
        school = db.execute(text('select id from school where is_demo')).scalar_one()
        looked = time.perf_counter()
        populations.take_snapshot(db, school)
        took_s = time.perf_counter() - looked
        print(f'{laps:>9,} laps: filled in {looked - began:.0f} s, a snapshot of the pilots in {took_s:.1f} s')
        bytes_ = db.execute(text("select pg_total_relation_size('lap') / (select count(*) from lap)")).scalar_one()
        in_all = db.execute(text('select pg_database_size(current_database()) / 1000000')).scalar_one()
        print(f'          {bytes_} bytes a lap with its indexes, {in_all} MB in all')
    engine.dispose()
    return url


class Visitor(Browser):
    """Marta's browser, over HTTP; speaks as the tests' browser does."""

    def __init__(self, base: str) -> None:
        self.base, self.device, self.sent = base, str(uuid.uuid4()), 0
        self.open = urllib.request.build_opener(urllib.request.HTTPCookieProcessor(CookieJar())).open
        self.token = ''
        here = self.get('/api/session')
        self.token = here['csrf_token']
        chief = next(one for one in here['demo_people'] if one['name'].startswith('Marta'))
        self.token = self.call('POST', '/api/session/demo', {'person_id': chief['id']})['csrf_token']

    def call(self, method: str, path: str, body: Any = None, *, status: int = 200) -> Any:
        headers = {'Content-Type': 'application/json', 'X-CSRFToken': self.token, 'Accept-Encoding': 'br'}
        headers['If-Match'] = '*'
        data = None if body is None else json.dumps(body).encode()
        with self.open(urllib.request.Request(self.base + path, data, headers, method=method), timeout=60) as reply:
            assert reply.status == status
            raw = reply.read()
            self.received = len(raw)
            raw = brotli.decompress(raw) if reply.headers.get('Content-Encoding') == 'br' else raw
            return json.loads(raw or b'null')

    def get(self, path: str, *, status: int = 200) -> Any:
        return self.call('GET', path, status=status)


# what twenty people ask, out of a hundred questions; the rest is asked once in a hundred
_OFTEN = {'brief': 28, 'laps': 18, 'write a lap': 14, 'sortie': 10, 'plan': 8, 'sorties': 6, 'session': 4}


@contextmanager
def served(url: str) -> Iterator[tuple[str, subprocess.Popen[bytes]]]:
    """The application as it is deployed: two processes of four threads."""
    port = free_port()
    environment = {**os.environ, 'BULLSEYE_DATABASE_URL': as_application(url), 'PYTHONPATH': str(ROOT / 'src')}
    command = [sys.executable, '-m', 'gunicorn', '--workers', '2', '--threads', '4', '--bind', f'127.0.0.1:{port}']
    with subprocess.Popen([*command, '--log-level', 'error', 'bullseye.api:create_app()'], env=environment) as running:
        try:
            for _ in range(200):
                with suppress(OSError), urllib.request.urlopen(f'http://127.0.0.1:{port}/api/health') as reply:
                    reply.read()
                    break
                time.sleep(0.1)
            yield f'http://127.0.0.1:{port}', running
        finally:
            running.terminate()
            running.wait(timeout=30)


def _memory_mb(running: subprocess.Popen[bytes]) -> float:
    """Memory of the largest worker [MB]."""
    children = Path(f'/proc/{running.pid}/task/{running.pid}/children').read_text().split()
    found = [re.search(r'VmRSS:\s+(\d+)', Path(f'/proc/{pid}/status').read_text()) for pid in children]
    return max(int(one[1]) / 1024 for one in found if one)


def measured(url: str) -> tuple[dict[str, tuple[float, int, float]], float, int]:
    """By question: rows, pages, and the 95th percentile [ms] with twenty users who think a second; memory; bytes."""
    app = _app(url)
    engine = app.extensions['bullseye_sessions'].kw['bind']
    marta = Browser(app).sign_in('marta')
    with engine.connect() as db:
        sorties = list(db.scalars(text('select id from sortie where not from_demo order by planned_on desc limit 20')))
        flight = str(db.execute(text('select id from track_file where report is not null limit 1')).scalar_one())
    read = {}
    for name, ask in asks(marta, sorties[0], flight).items():
        ask()
        with counted(engine) as one:
            ask()
        read[name] = one
    close(app)
    taken: dict[str, list[float]] = {name: [] for name in read}
    weights = [_OFTEN.get(name, 1) for name in read]

    def use(base: str, number: int) -> None:
        visitor, chance = Visitor(base), random.Random(number)
        mine = asks(visitor, sorties[number % len(sorties)], flight)
        time.sleep(THINK_S * number / USERS)
        for turn in range(QUESTIONS):
            # each is asked once first, then as often as people do
            name = list(mine)[turn] if turn < len(mine) else chance.choices(list(mine), weights)[0]
            began = time.perf_counter()
            mine[name]()
            if turn >= len(mine):
                taken[name].append((time.perf_counter() - began) * 1e3)
            time.sleep(THINK_S * chance.uniform(0.5, 1.5))

    with served(url) as (base, running):
        users = [threading.Thread(target=use, args=(base, number)) for number in range(USERS)]
        for one in users:
            one.start()
        for one in users:
            one.join()
        alone = Visitor(base)
        alone.get(f'/api/sorties/{sorties[0]}/aboard')
        memory_mb, aboard_bytes = _memory_mb(running), alone.received
    p95 = {
        name: statistics.quantiles(ms, n=20)[-1] if len(ms) > 1 else max(ms, default=0.0) for name, ms in taken.items()
    }
    return {name: (one.rows, one.pages, p95[name]) for name, one in read.items()}, memory_mb, aboard_bytes


if __name__ == '__main__':
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument('--laps', type=int, nargs='+', default=[1_000, 30_000, 1_000_000])
    wanted = parser.parse_args()
    os.environ.setdefault('BULLSEYE_SECRET_KEY', 'for the bench only')
    with throwaway_server() as server:
        found = [measured(filled(server, laps)) for laps in wanted.laps]
    print(
        f'\n{"":16}' + ''.join(f'{f"{laps:,} laps":>30}' for laps in wanted.laps) + f'{"p95, largest : smallest":>26}'
    )
    for name in found[0][0]:
        figures = [one[name] for one, _, _ in found]
        shown = ''.join(f'{rows:>10,.0f} rows {pages:>5} p {ms:>5.0f} ms' for rows, pages, ms in figures)
        print(f'{name:16}{shown}{figures[-1][2] / max(0.1, figures[0][2]):>18.2f}')
    print(f'memory of a worker: {", ".join(f"{mb:.0f} MB" for _, mb, _ in found)}')
    print(f'taking along: {", ".join(f"{size / 1_000:.1f} kB" for _, _, size in found)} received')
