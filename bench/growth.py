"""What a school of many years costs: rows and pages that each answer reads, and how long it takes, as laps grow.

Fills a school with 1,000, 30,000 and 1,000,000 laps (70,000 sorties, 300 people, 30 aircraft, 2,000 tracks) in a
database of its own, asks what people ask all day, and prints the ratio of the largest to the smallest.

    .venv/bin/python bench/growth.py
    .venv/bin/python bench/growth.py --laps 1000 300000
"""

from __future__ import annotations

import argparse
import os
import resource
import shutil
import statistics
import sys
import tempfile
import threading
import time
from collections.abc import Iterator
from contextlib import contextmanager
from datetime import date
from pathlib import Path

from sqlalchemy import create_engine, text

sys.path.insert(0, str(Path(__file__).parent.parent))

from tests.api.conftest import Browser, _app, close
from tests.api.test_growth import asks
from tests.growing import counted, fill

from bullseye.demo import seed
from bullseye.jobs.worker import work
from bullseye.launch.postgres import Cluster
from bullseye.store import populations, scope, upgrade
from bullseye.store.database import open_engine, session_maker

USERS, ROUNDS, THINK_S = 20, 6, 1.0


@contextmanager
def throwaway_server() -> Iterator[str]:
    """A database server of its own."""
    folder = Path(tempfile.mkdtemp(prefix='bullseye-growth-'))
    folder.chmod(0o755)
    cluster = Cluster(folder, durable=False)
    try:
        cluster.make()
        cluster.start()
        cluster.ensure_database('test')
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


def measured(url: str) -> dict[str, tuple[float, int, float]]:
    """By question: rows, pages, and the 95th percentile [ms] with twenty users who think a second."""
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
    taken: dict[str, list[float]] = {name: [] for name in read}

    def use(number: int) -> None:
        browser = Browser(app).sign_in('marta')
        time.sleep(THINK_S * number / USERS)
        for _ in range(ROUNDS):
            for name, ask in asks(browser, sorties[number % len(sorties)], flight).items():
                began = time.perf_counter()
                ask()
                taken[name].append((time.perf_counter() - began) * 1e3)
                time.sleep(THINK_S)

    users = [threading.Thread(target=use, args=(number,)) for number in range(USERS)]
    for one in users:
        one.start()
    for one in users:
        one.join()
    close(app)
    return {name: (one.rows, one.pages, statistics.quantiles(taken[name], n=20)[-1]) for name, one in read.items()}


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
    for name in found[0]:
        figures = ''.join(
            f'{rows:>10,.0f} rows {pages:>5} p {ms:>5.0f} ms' for rows, pages, ms in (one[name] for one in found)
        )
        print(f'{name:16}{figures}{found[-1][name][2] / found[0][name][2]:>18.2f}')
    print(f'memory of the process: {resource.getrusage(resource.RUSAGE_SELF).ru_maxrss // 1024} MB at most')
