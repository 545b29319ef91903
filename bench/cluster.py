"""Several machines on one: three databases, two web servers, and the primary killed while laps come in.

    PYTHONPATH=src .venv/bin/python bench/cluster.py [laps] [killed] [frozen]

Needs Debian's patroni, etcd-server, haproxy and pgbouncer, as docs/deploy.md says, and uses the configurations of
deploy/cluster. Twenty tablets send laps, each again until it is acknowledged, as tablets do. First the primary is
killed, then the next one is frozen and let go on later, as a machine that hangs. Prints what was acknowledged and what
is stored, and for how long nothing was acknowledged; ends with 1 when they differ.
"""

from __future__ import annotations

import itertools
import json
import os
import pwd
import secrets
import shutil
import signal
import subprocess
import sys
import tempfile
import threading
import time
import urllib.request
import uuid
from collections.abc import Callable, Mapping, Sequence
from contextlib import suppress
from pathlib import Path
from string import Template
from typing import Any

import psycopg

from attack import Client
from bullseye.launch.postgres import free_port, server_programs

ROOT = Path(__file__).resolve().parents[1]
CONFIGURATIONS = ROOT / 'deploy' / 'cluster'
PROGRAMS = ('patroni', 'etcd', 'haproxy', 'pgbouncer')
THREADS, LAPS = 20, 2_000
HERE = '127.0.0.1'
USER = 'postgres'


def as_service(command: list[str]) -> list[str]:
    """PostgreSQL and PgBouncer refuse to run as root."""
    return (
        ['setpriv', f'--reuid={USER}', f'--regid={USER}', '--init-groups', *command] if os.geteuid() == 0 else command
    )


def wait_for(what: str, found: Callable[[], Any], seconds: float = 120.0) -> Any:
    """Ask until there is an answer."""
    until = time.monotonic() + seconds
    while time.monotonic() < until:
        with suppress(OSError, ValueError, psycopg.Error):
            if answer := found():
                return answer
        time.sleep(0.25)
    raise SystemExit(f'{what}: not within {seconds:.0f} s')


class Machines:
    """All processes, each in a group of its own so that it can be killed with what it has started."""

    def __init__(self, folder: Path) -> None:
        self.folder = folder
        self.running: dict[str, subprocess.Popen[bytes]] = {}
        self.port = {name: free_port() for name in self._names()}
        self.password = {name: secrets.token_hex(12) for name in ('superuser', 'replication', 'rewind', 'owner', 'app')}

    @staticmethod
    def _names() -> list[str]:
        three = [f'{what}-{k}' for what in ('etcd', 'peer', 'rest', 'postgres') for k in (1, 2, 3)]
        return [*three, 'haproxy', 'pgbouncer', 'web-1', 'web-2']

    def start(self, name: str, command: list[str], environment: Mapping[str, str] | None = None) -> None:
        with (self.folder / f'{name}.log').open('ab') as log:
            self.running[name] = subprocess.Popen(
                command, stdout=log, stderr=log, cwd='/', start_new_session=True, env=environment
            )

    def signal(self, name: str, number: int) -> None:
        """To a process, and to a database's own processes, which are groups of their own."""
        pids = [self.running[name].pid]
        listed = subprocess.run(['ps', '-eo', 'pid,ppid'], capture_output=True, text=True, check=True).stdout
        rows = [tuple(map(int, line.split())) for line in listed.splitlines()[1:]]
        postmaster = self.folder / name / 'postgres' / 'postmaster.pid'
        if postmaster.exists():
            pids.append(int(postmaster.read_text().split()[0]))
        grown = True
        while grown:
            more = [pid for pid, parent in rows if parent in pids and pid not in pids]
            pids, grown = [*pids, *more], bool(more)
        for pid in pids:
            with suppress(ProcessLookupError):
                os.kill(pid, number)

    def end(self) -> None:
        for name in reversed(list(self.running)):
            self.signal(name, signal.SIGCONT)
            self.signal(name, signal.SIGKILL)

    def configured(self, template: str, to: Path, **values: Any) -> Path:
        """A configuration of deploy/cluster with its places filled in."""
        to.parent.mkdir(parents=True, exist_ok=True)
        to.write_text(Template((CONFIGURATIONS / template).read_text(encoding='utf-8')).substitute(values))
        if os.geteuid() == 0:
            service = pwd.getpwnam(USER)
            for path in (to.parent, to):
                os.chown(path, service.pw_uid, service.pw_gid)
        to.chmod(0o600)
        return to

    def start_etcd(self) -> None:
        peers = ','.join(f'etcd-{k}=http://{HERE}:{self.port[f"peer-{k}"]}' for k in (1, 2, 3))
        for k in (1, 2, 3):
            client, peer = (f'http://{HERE}:{self.port[f"{what}-{k}"]}' for what in ('etcd', 'peer'))
            self.start(
                f'etcd-{k}',
                [
                    *('etcd', '--name', f'etcd-{k}', '--data-dir', str(self.folder / f'etcd-{k}')),
                    *('--listen-client-urls', client, '--advertise-client-urls', client),
                    *('--listen-peer-urls', peer, '--initial-advertise-peer-urls', peer),
                    *('--initial-cluster', peers, '--initial-cluster-state', 'new'),
                    *('--enable-v2=true', '--log-level', 'error'),
                ],
            )
        wait_for('etcd', lambda: self._ask(f'http://{HERE}:{self.port["etcd-1"]}/health')['health'] == 'true')

    @staticmethod
    def _ask(address: str) -> Any:
        with urllib.request.urlopen(address, timeout=2) as reply:
            return json.loads(reply.read())

    def start_database(self, k: int) -> None:
        folder = self.folder / f'postgres-{k}'
        kept = self.configured(
            'patroni.yml',
            folder / 'patroni.yml',
            name=f'postgres-{k}',
            address=HERE,
            network=f'{HERE}/32',
            rest_port=self.port[f'rest-{k}'],
            port=self.port[f'postgres-{k}'],
            etcd=','.join(f'{HERE}:{self.port[f"etcd-{one}"]}' for one in (1, 2, 3)),
            folder=folder,
            programs=server_programs(),
            **{f'{name}_password': self.password[name] for name in ('superuser', 'replication', 'rewind')},
        )
        self.start(f'postgres-{k}', as_service(['patroni', str(kept)]))

    def told(self) -> list[dict[str, dict[str, Any]]]:
        """What each database that answers says of all of them."""
        found = []
        for k in (1, 2, 3):
            with suppress(OSError, ValueError):
                members = self._ask(f'http://{HERE}:{self.port[f"rest-{k}"]}/cluster')['members']
                found.append({one['name']: one for one in members})
        return found

    def whole(self) -> bool:
        """Whether all three say that there is a primary, one that follows it synchronously, and one more."""
        found = [
            sorted((one['role'], name) for name, one in members.items() if one['state'] in ('running', 'streaming'))
            for members in self.told()
        ]
        roles = [role for role, _ in found[0]] if found else []
        return roles == ['leader', 'replica', 'sync_standby'] and found == [found[0]] * 3

    def follows(self, name: str) -> bool:
        """Whether a machine says itself that it follows the primary."""
        said = self._ask(f'http://{HERE}:{self.port[name.replace("postgres", "rest")]}/patroni')
        return (said['role'], said['state']) == ('replica', 'running')

    def primary(self, *, but: str = '') -> str:
        """Who is the primary; a machine that was frozen may take itself for it still."""
        leaders = [name for members in self.told() for name, one in members.items() if one['role'] == 'leader']
        return next(name for name in leaders if name != but)

    def start_ways(self) -> None:
        """HAProxy to the primary, and PgBouncer before it."""
        servers = ''.join(
            f'    server postgres-{k} {HERE}:{self.port[f"postgres-{k}"]} check port {self.port[f"rest-{k}"]}\n'
            for k in (1, 2, 3)
        )
        kept = self.configured(
            'haproxy.cfg',
            self.folder / 'haproxy' / 'haproxy.cfg',
            address=HERE,
            port=self.port['haproxy'],
            servers=servers,
        )
        self.start('haproxy', as_service(['haproxy', '-db', '-f', str(kept)]))
        folder = self.folder / 'pgbouncer'
        kept = self.configured(
            'pgbouncer.ini',
            folder / 'pgbouncer.ini',
            address=HERE,
            port=self.port['pgbouncer'],
            behind_address=HERE,
            behind_port=self.port['haproxy'],
            folder=folder,
        )
        users = folder / 'userlist.txt'
        users.write_text(f'"bullseye_app" "{self.password["app"]}"\n')
        users.chmod(0o644)
        self.start('pgbouncer', as_service(['pgbouncer', str(kept)]))

    def url(self, role: str, password: str, database: str, port: str) -> str:
        return f'postgresql+psycopg://{role}:{self.password[password]}@{HERE}:{self.port[port]}/{database}'

    @staticmethod
    def writable(at: str) -> bool:
        """Whether every way leads to the primary: HAProxy takes all for good until it has asked them twice."""
        for _ in range(4):
            with psycopg.connect(at, connect_timeout=3) as db:
                if db.execute('select pg_is_in_recovery()').fetchone() != (False,):
                    return False
            time.sleep(0.5)
        return True

    def prepare(self) -> dict[str, str]:
        """Roles, database and tables, as docs/deploy.md says; the environment of the application."""
        at = self.url('postgres', 'superuser', 'postgres', 'haproxy').replace('+psycopg', '')
        wait_for('a way to the primary', lambda: self.writable(at))
        with psycopg.connect(at, autocommit=True) as db:
            db.execute(f"create role bullseye_owner login createrole password '{self.password['owner']}'")
            db.execute(f"create role bullseye_app login password '{self.password['app']}'")
            db.execute('alter role bullseye_app set plan_cache_mode = force_generic_plan')
            db.execute('create database bullseye owner bullseye_owner')
        common = {**os.environ, 'PYTHONPATH': str(ROOT / 'src'), 'BULLSEYE_SECRET_KEY': secrets.token_hex(32)}
        owner = self.url('bullseye_owner', 'owner', 'bullseye', 'haproxy')
        command = [sys.executable, '-m', 'bullseye.cli', 'prepare', '--demo']
        subprocess.run(command, env=common | {'BULLSEYE_DATABASE_URL': owner}, check=True, stdout=subprocess.DEVNULL)
        with psycopg.connect(owner.replace('+psycopg', ''), autocommit=True) as db:
            db.execute('grant bullseye_rows to bullseye_app')
        return common | {'BULLSEYE_DATABASE_URL': self.url('bullseye_app', 'app', 'bullseye', 'pgbouncer')}

    def start_application(self, environment: dict[str, str]) -> list[str]:
        found = []
        for name in ('web-1', 'web-2'):
            at = f'{HERE}:{self.port[name]}'
            gunicorn = [str(ROOT / '.venv' / 'bin' / 'gunicorn'), '--config', 'python:bullseye.launch.serving']
            more = ['--bind', at, '--workers', '2', '--threads', '6', 'bullseye.api:create_app()']
            self.start(name, [*gunicorn, *more], environment)
            found.append(f'http://{at}')
        self.start('work', [sys.executable, '-m', 'bullseye.cli', 'work'], environment)
        for address in found:
            wait_for(address, lambda address=address: self._ask(f'{address}/api/health')['status'] == 'up')  # type: ignore[misc]
        return found


class Tablets:
    """Twenty that send laps, each again until it is acknowledged; when each was is noted."""

    def __init__(self, addresses: list[str], sortie_id: int) -> None:
        self.addresses, self.sortie_id = addresses, sortie_id
        self.acknowledged: dict[str, float] = {}
        self.again, self.slowest_s = 0, 0.0
        self._lock = threading.Lock()

    def send(self, number: int, count: int) -> None:
        client = Client(self.addresses[number % 2]).enter('Marta')
        device = str(uuid.uuid4())
        for k in range(1, count + 1):
            lap_id, begun = str(uuid.uuid4()), time.monotonic()
            change = {
                'lap_id': lap_id,
                'lap': {'outcome': 'touch_and_go', 'along_ft': 500.0 + number * 10 + k % 10},
                'writer': {'device': device, 'number': k},
            }
            while True:
                status, said = client.call('POST', f'/api/sorties/{self.sortie_id}/laps/sent', {'changes': [change]})
                if status == 200 and said['results'][0]['refused'] is None:
                    break
                if status < 500 and status != 429:
                    raise SystemExit(f'a lap was refused: {status} {said}')
                with self._lock:
                    self.again += 1
                time.sleep(0.3)
            with self._lock:
                self.acknowledged[lap_id] = time.monotonic()
                self.slowest_s = max(self.slowest_s, time.monotonic() - begun)

    def silence_s(self) -> float:
        """The longest time without any lap acknowledged."""
        at = sorted(self.acknowledged.values())
        return max(b - a for a, b in itertools.pairwise(at))


def breaking(machines: Machines, addresses: list[str], laps: int, what: str) -> bool:
    """Laps come in, the primary is killed or frozen; what was acknowledged against what is stored."""
    chief = Client(addresses[0]).enter('Marta')
    sortie = next(one for one in chief.call('GET', '/api/sorties')[1]['sorties'] if not one['laps'])
    tablets = Tablets(addresses, sortie['id'])
    threads = [threading.Thread(target=tablets.send, args=(k, laps // THREADS), daemon=True) for k in range(THREADS)]
    begun = time.monotonic()
    for one in threads:
        one.start()
    wait_for('a third of the laps', lambda: len(tablets.acknowledged) > laps / 3)
    lost = machines.primary()
    machines.signal(lost, signal.SIGKILL if what == 'killed' else signal.SIGSTOP)
    for one in threads:
        one.join(timeout=300)
    took = time.monotonic() - begun
    now = machines.primary(but=lost)
    begun_anew = time.monotonic()
    if what == 'killed':
        machines.start_database(int(lost[-1]))
    else:
        machines.signal(lost, signal.SIGCONT)
    wait_for('the lost machine to follow again', lambda: machines.follows(lost) and machines.whole())
    back = time.monotonic() - begun_anew
    stored = _stored(machines, sortie['id'])
    missing = set(tablets.acknowledged) - set(stored)
    good = not missing and len(stored) == len(set(stored)) == len(tablets.acknowledged) == laps
    print(
        f'{lost} {what}, {now} took over: {len(tablets.acknowledged)} laps acknowledged in {took:.0f} s, '
        f'{len(stored)} stored, {len(missing)} missing; {tablets.silence_s():.1f} s without a lap acknowledged, '
        f'{tablets.again} tries again; the lost machine followed again {back:.0f} s after it was started',
        flush=True,
    )
    return good and now != lost


def _stored(machines: Machines, sortie_id: int) -> list[str]:
    at = machines.url('postgres', 'superuser', 'bullseye', 'haproxy').replace('+psycopg', '')
    wait_for('a way to the primary', lambda: machines.writable(at))
    with psycopg.connect(at) as db:
        return [str(row[0]) for row in db.execute('select id from lap where sortie_id = %s', (sortie_id,))]


def main(laps: int, whats: Sequence[str]) -> int:
    missing = [name for name in PROGRAMS if not shutil.which(name, path=f'{os.environ["PATH"]}:/usr/sbin')]
    if missing:
        raise SystemExit(f'Install these first (apt install {" ".join(missing)}).')
    folder = Path(tempfile.mkdtemp(prefix='bullseye-cluster-'))
    folder.chmod(0o755)
    machines = Machines(folder)
    begun = time.monotonic()
    try:
        machines.start_etcd()
        for k in (1, 2, 3):
            machines.start_database(k)
        wait_for('three databases', machines.whole)
        machines.start_ways()
        addresses = machines.start_application(machines.prepare())
        print(f'three databases, two web servers, one worker: up in {time.monotonic() - begun:.0f} s', flush=True)
        good = [breaking(machines, addresses, laps, what) for what in whats]
    except BaseException:
        print(f'the logs are in {folder}')
        raise
    finally:
        machines.end()
    shutil.rmtree(folder, ignore_errors=True)
    return 0 if all(good) else 1


if __name__ == '__main__':
    sys.exit(main(int(sys.argv[1]) if len(sys.argv) > 1 else LAPS, sys.argv[2:] or ('killed', 'frozen')))
