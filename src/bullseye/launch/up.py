"""``./bullseye up``: set up, start everything, serve until Ctrl-C."""

from __future__ import annotations

import argparse
import fcntl
import os
import secrets
import signal
import socket
import ssl
import subprocess
import time
import urllib.error
import urllib.request
from collections.abc import Callable, Sequence
from contextlib import suppress
from dataclasses import dataclass, replace
from pathlib import Path
from typing import IO

from bullseye import __version__
from bullseye.jobs.mail import WrongMailAddress, mail_server
from bullseye.launch import backup, front, keeping, places, running, setup
from bullseye.launch.postgres import Cluster, free_port, is_taken
from bullseye.launch.say import GiveUp, Stopwatch, give_up, run, step
from bullseye.launch.upkeep import Upkeep

DEFAULT_PORT = 8765
_NEWER_DATABASE = 4
_WORKERS, _THREADS = 2, 4
_LOOK_EVERY_S = 3.0
_DAY_S, _RENEW_EVERY_S = 86_400.0, 6 * 3_600.0
_END_WITHIN_S = 10.0


def add_arguments(parser: argparse.ArgumentParser) -> None:
    """Options of the command."""
    parser.add_argument('--port', type=int, default=DEFAULT_PORT, help=f'port to serve on, {DEFAULT_PORT} if not given')
    parser.add_argument('--host', default='127.0.0.1', help="this machine's address on the school's network")
    parser.add_argument('--https', action='store_true', help='with a certificate made here, or the one given')
    parser.add_argument(
        '--behind',
        choices=('nginx', 'nothing'),
        help='a front before it that slow connections cannot stop; nginx where it is installed, if nothing is said',
    )
    parser.add_argument('--certificate', type=Path, metavar='FILE', help='PEM certificate (chain) to use with --https')
    parser.add_argument('--key', type=Path, metavar='FILE', help='PEM key of --certificate')
    parser.add_argument('--weather', metavar='URL', help='a weather station to ask, such as ./bullseye sim weather')
    parser.add_argument('--take-over', action='store_true', help='end what a start that was killed has left running')
    which = parser.add_mutually_exclusive_group()
    which.add_argument('--demo', action='store_true', help='serve the demo school again after --empty')
    which.add_argument('--reset-demo', action='store_true', help='make the demo school anew; its changes are lost')
    which.add_argument('--empty', action='store_true', help='serve a school of your own; later starts remember it')


def own(folder: Path) -> IO[str]:
    """Hold the data folder as long as we run."""
    lock = (folder / 'lock').open('a')
    try:
        fcntl.flock(lock, fcntl.LOCK_EX | fcntl.LOCK_NB)
    except OSError:
        give_up('Bullseye is already running from this folder; stop it first with Ctrl-C.')
    return lock


def _secret_key(folder: Path) -> str:
    """The key that signs session cookies: made once, readable by its owner only."""
    file = folder / 'secret-key'
    if not file.exists():
        file.touch(mode=0o600)
        file.write_text(secrets.token_hex(32), encoding='utf-8')
    return file.read_text(encoding='utf-8')


def _mode(folder: Path, arguments: argparse.Namespace) -> str:
    file = folder / 'mode'
    if arguments.empty:
        file.write_text('school', encoding='utf-8')
    elif arguments.demo or arguments.reset_demo or not file.exists():
        file.write_text('demo', encoding='utf-8')
    return file.read_text(encoding='utf-8').strip()


def _prepare(environment: dict[str, str], mode: str) -> str:
    """Migrate and fill the database; return what the terminal has to tell."""
    done = subprocess.run(
        [str(places.PYTHON), '-m', 'bullseye.cli', 'prepare', f'--{mode}'],
        env=environment,
        capture_output=True,
        text=True,
        check=False,
    )
    if done.returncode == _NEWER_DATABASE:
        give_up(done.stderr.strip())
    if done.returncode:
        give_up('The database could not be prepared: ' + ' / '.join(done.stderr.strip().splitlines()[-3:]))
    return done.stdout.strip()


@dataclass(frozen=True)
class Site:
    """Where the application is served, and with which certificate."""

    host: str
    port: int
    certificate: Path | None = None
    key: Path | None = None
    folder: Path | None = None  # of the certificates made here
    fingerprint: str = ''
    inner_port: int | None = None  # of the application, on loopback, when a front is before it

    @property
    def address(self) -> str:
        """As a browser opens it."""
        host = f'[{self.host}]' if ':' in self.host else self.host
        return f'{"https" if self.certificate else "http"}://{host}:{self.port}'

    @property
    def trust_address(self) -> str:
        """Of the page that says how to trust the certificate."""
        return self.address.replace('https', 'http').removesuffix(str(self.port)) + str(self.port + 1)


def _site(arguments: argparse.Namespace, folder: Path) -> Site:
    """The site asked for; its certificate is made when none is given."""
    if not arguments.https:
        return Site(arguments.host, arguments.port)
    if arguments.certificate:
        return Site(arguments.host, arguments.port, arguments.certificate.resolve(), arguments.key.resolve())
    step('making the certificate of this server')
    kept = folder / 'tls'
    site = Site(arguments.host, arguments.port, kept / 'server.crt', kept / 'server.key', kept)
    return replace(site, fingerprint=_make_certificate(site))


def _hosts(host: str) -> list[str]:
    """By which names the application may be asked for: its address, this machine's names, and those given."""
    own = socket.gethostname()
    given = [one.strip() for one in os.environ.get('BULLSEYE_HOSTS', '').split(',') if one.strip()]
    bare = f'[{host}]' if ':' in host else host
    return sorted({bare, '127.0.0.1', '[::1]', 'localhost', own, f'{own}.local', *given})


def _gunicorn(environment: dict[str, str], *parts: object) -> subprocess.Popen[bytes]:
    command = [places.VENV / 'bin' / 'gunicorn', '--threads', _THREADS, '--log-level', 'warning', *parts]
    # what a proxy tells is read by the application, from proxies that are named: not from anybody on this machine
    command += ['--forwarded-allow-ips', '']
    # a group of its own: Ctrl-C reaches only us, and we stop things in order
    return subprocess.Popen([str(part) for part in command], env=environment, start_new_session=True)


def _serve(environment: dict[str, str], site: Site) -> subprocess.Popen[bytes]:
    tls = ['--certfile', site.certificate, '--keyfile', site.key] if site.certificate and not site.inner_port else []
    at = f'127.0.0.1:{site.inner_port}' if site.inner_port else site.address.partition('://')[2]
    kept = ['--keep-alive', front.KEPT_S] if site.inner_port else []
    bind = ['--bind', at, '--workers', _WORKERS, '--graceful-timeout', 5, *kept]
    loaded_once = ['--config', 'python:bullseye.launch.serving']
    return _gunicorn(environment, *loaded_once, *bind, *tls, 'bullseye.api:create_app()')


def _serve_front(site: Site, folder: Path) -> subprocess.Popen[bytes]:
    behind = f'127.0.0.1:{site.inner_port}'
    return front.start(folder / 'nginx', front.Address(site.host, site.port, behind, site.certificate, site.key))


def _serve_trust(environment: dict[str, str], site: Site) -> subprocess.Popen[bytes]:
    more = {
        'BULLSEYE_TLS_FOLDER': str(site.folder),
        'BULLSEYE_HTTPS_ADDRESS': site.address,
        'BULLSEYE_TRUST_ADDRESS': site.trust_address,
    }
    bind = ['--bind', site.trust_address.partition('://')[2]]
    return _gunicorn(environment | more, *bind, 'bullseye.launch.trust:create_app()')


def _start_worker(environment: dict[str, str]) -> subprocess.Popen[bytes]:
    """The process that does the background work."""
    command = [str(places.PYTHON), '-m', 'bullseye.cli', 'work']
    return subprocess.Popen(command, env=environment, start_new_session=True)


def _note(folder: Path, site: Site, started: Sequence[Kept]) -> None:
    running.note(folder, site.address, {one.name: one.process.pid for one in started})


def _watch(
    server: subprocess.Popen[bytes],
    started: Sequence[Kept],
    cluster: Cluster,
    upkeep: Upkeep,
    folder: Path,
    site: Site,
) -> int:
    """Wait for the web server to end; others that end before it are started anew, and what is due is done."""
    while True:
        try:
            return server.wait(timeout=_LOOK_EVERY_S)
        except subprocess.TimeoutExpired:
            for one in started[1:]:
                if one.keep_running():
                    _note(folder, site, started)
            with suppress(GiveUp):  # said by it, and tried again
                cluster.keep_running()
            upkeep.tick()


def _upkeep(cluster: Cluster, site: Site, folder: Path, mode: str, before: Kept | None) -> Upkeep:
    """What is due again and again: a backup a day of a school's own data, and a certificate before the old one ends."""
    found = Upkeep()
    to = keeping.folder_of(folder)

    def renew() -> None:
        _make_certificate(site)
        if before is not None:
            front.read_anew(before.process)

    def back_up() -> None:
        database = keeping.database_of(cluster, mode)
        kept = backup.write(database, mode=mode, folder=folder, to=to, version=__version__)
        backup.thin(to, mode=mode)
        step(f'backed up to {kept}')

    if mode == 'school':  # the demo's can be made anew
        last = [one for one in backup.made(to) if one.name.startswith('bullseye-school-')] if to.is_dir() else []
        found.add('The daily backup', back_up, every_s=_DAY_S, last_at=last[-1].stat().st_mtime if last else None)
    if site.folder:
        found.add('The certificate', renew, every_s=_RENEW_EVERY_S, last_at=time.time())
    return found


def _make_certificate(site: Site) -> str:
    """Make it, or make it anew when it nears its end; each connection reads it as it then is."""
    return run(
        [places.PYTHON, '-m', 'bullseye.launch.tls', str(site.folder), site.host],
        env={**os.environ, 'PYTHONPATH': str(places.ROOT / 'src')},
        failed='The certificate could not be made',
    ).strip()


class Kept:
    """A process that is there as long as the web server is: when it ends it is started anew."""

    def __init__(self, name: str, start: Callable[[], subprocess.Popen[bytes]]) -> None:
        self.name, self._start = name, start
        self.process = start()

    def keep_running(self) -> bool:
        """Start it anew when it has ended; whether it had."""
        has_ended = self.process.poll() is not None
        if has_ended:
            step(f'{self.name} ended (exit code {self.process.returncode}) and is started anew')
            with suppress(ProcessLookupError):  # what it has left behind, which may hold its address
                os.killpg(self.process.pid, signal.SIGKILL)
            self.process = self._start()
        return has_ended


def _tls_of(site: Site) -> ssl.SSLContext | None:
    """How to verify a site: one made here as a tablet will; one that was given may speak for another name."""
    if not site.certificate:
        return None
    context = ssl.create_default_context(cafile=site.folder / 'authority.crt' if site.folder else None)
    if not site.folder:
        context.check_hostname, context.verify_mode = False, ssl.CERT_NONE
    return context


def _wait_until_up(server: subprocess.Popen[bytes], address: str, context: ssl.SSLContext | None = None) -> None:
    for _ in range(300):
        if server.poll() is not None:
            give_up('The web server stopped at once; its message is above.')
        try:
            with urllib.request.urlopen(address, timeout=2, context=context):
                return
        except (urllib.error.URLError, OSError):
            time.sleep(0.1)
    give_up('The web server does not answer within 30 s.')


def _say_network(site: Site) -> None:
    if site.folder:
        print(f'Tablets open {site.trust_address} first: it says how to trust this server, with a QR code.')
        print(f'Fingerprint of its certificate: {site.fingerprint}\n')
    elif site.host not in ('127.0.0.1', 'localhost', '::1') and not site.certificate:
        print('Without --https passwords cross the network in the clear, and tablets cannot work without a network.\n')


def _end(*started: subprocess.Popen[bytes] | None) -> None:
    """End processes, all at the same time; the database outlives them."""
    running = [process for process in started if process is not None and process.poll() is None]
    for process in started:
        if process is not None and process not in running:
            with suppress(ProcessLookupError):  # what one that was killed has left behind
                os.killpg(process.pid, signal.SIGKILL)
    for process in running:
        process.terminate()
    until = time.monotonic() + _END_WITHIN_S
    for process in running:
        try:
            process.wait(timeout=max(0.0, until - time.monotonic()))
        except subprocess.TimeoutExpired:
            os.killpg(process.pid, signal.SIGKILL)


def _raise_interrupt(*_: object) -> None:
    raise KeyboardInterrupt


def _check_host(host: str) -> None:
    if host in ('0.0.0.0', '::'):  # noqa: S104 - refused, not used
        give_up('Give the one address by which tablets reach this machine, such as 192.168.1.20, not all of them.')
    try:
        family, kind, _, _, place = socket.getaddrinfo(host, 0, type=socket.SOCK_STREAM)[0]
        with socket.socket(family, kind) as probe:
            probe.bind(place)
    except OSError:
        give_up(f'{host} is no address of this machine.')


def _check(arguments: argparse.Namespace) -> None:
    if not 1 <= arguments.port <= 65_535:
        give_up(f'Port {arguments.port} does not exist; choose one from 1024 to 65535.')
    if is_taken(arguments.port):
        give_up(f'Port {arguments.port} is taken; choose another with --port.')
    if bool(arguments.certificate) != bool(arguments.key) or (arguments.certificate and not arguments.https):
        give_up('--certificate and --key go together, with --https.')
    for file in (arguments.certificate, arguments.key):
        if file and not file.is_file():
            give_up(f'{file} is not there.')
    if arguments.https and not arguments.certificate and is_taken(arguments.port + 1):
        give_up(f'Port {arguments.port + 1}, for the page that tablets open first, is taken; choose another --port.')
    _check_host(arguments.host)
    _check_mail()
    if arguments.weather and not arguments.weather.startswith(('http://', 'https://')):
        give_up(f'--weather {arguments.weather} is no address; it begins with http:// or https://.')


def _check_mail() -> None:
    try:
        mail_server()
    except WrongMailAddress as error:
        give_up(str(error))


def _environment(cluster: Cluster, folder: Path, mode: str, arguments: argparse.Namespace) -> dict[str, str]:
    """What the processes are told."""
    return {
        **os.environ,
        'BULLSEYE_WEATHER_URL': arguments.weather or os.environ.get('BULLSEYE_WEATHER_URL', ''),
        'PYTHONPATH': str(places.ROOT / 'src'),
        'BULLSEYE_DATABASE_URL': cluster.application_url(mode),
        'BULLSEYE_HOSTS': ','.join(_hosts(arguments.host)),
        'BULLSEYE_HSTS': _hsts(arguments),
        'BULLSEYE_BACKUPS': str(keeping.folder_of(folder)) if mode == 'school' else '',
        'BULLSEYE_ERASED': os.environ.get('BULLSEYE_ERASED') or str(folder / 'erased.jsonl'),
        'BULLSEYE_DISK': str(folder),
        'BULLSEYE_SECRET_KEY': _secret_key(folder),
        'BULLSEYE_HTTPS': '1' if arguments.https else os.environ.get('BULLSEYE_HTTPS', ''),
    }


def _hsts(arguments: argparse.Namespace) -> str:
    """Not with a certificate made here: who goes back to plain http would be locked out for a year."""
    if arguments.https:
        return '1' if arguments.certificate else ''
    return os.environ.get('BULLSEYE_HSTS', '')  # of a proxy that holds a certificate


def _database(cluster: Cluster, mode: str, *, anew: bool) -> None:
    """Start the database server, with the database that is asked for."""
    step('starting the database')
    cluster.make()
    cluster.start()
    cluster.ensure_application()
    if anew:
        step('making the demo school anew')
        cluster.drop_database('demo')
    cluster.ensure_database(mode)


def _serve_all(
    environment: dict[str, str], site: Site, folder: Path, started: list[Kept]
) -> tuple[subprocess.Popen[bytes], Kept | None]:
    """Start web server, worker and what is before them; each is noted as soon as it runs."""
    step('starting the web server')
    server = _serve(environment, site)
    started.append(Kept('the web server', lambda: server))
    started.append(Kept('the background worker', lambda: _start_worker(environment)))
    before = None
    if site.inner_port:
        _wait_until_up(server, f'http://127.0.0.1:{site.inner_port}/api/health')
        before = Kept('the front', lambda: _serve_front(site, folder))
        started.append(before)
    _wait_until_up(server, f'{site.address}/api/health', _tls_of(site))
    if site.folder:
        trust = Kept('the page of the certificate', lambda: _serve_trust(environment, site))
        started.append(trust)
        _wait_until_up(trust.process, site.trust_address)
    return server, before


def up(arguments: argparse.Namespace) -> int:
    """Run until Ctrl-C or a terminate signal; stop all that was started."""
    running.require_free(places.data_folder(), take_over=arguments.take_over)
    _check(arguments)
    for stop in (signal.SIGINT, signal.SIGTERM):  # SIGINT too: a shell starts background jobs with it ignored
        signal.signal(stop, _raise_interrupt)
    watch = Stopwatch()
    cluster: Cluster | None = None
    lock: IO[str] | None = None
    started: list[Kept] = []
    try:
        setup.everything(for_tests=False, with_front=arguments.behind == 'nginx')
        has_front = arguments.behind != 'nothing' and front.program() is not None
        folder = places.data_folder()
        folder.mkdir(parents=True, exist_ok=True)
        lock = own(folder)
        mode = _mode(folder, arguments)
        cluster = Cluster(folder)
        _database(cluster, mode, anew=arguments.reset_demo)
        environment = _environment(cluster, folder, mode, arguments)
        if has_front:
            environment['BULLSEYE_PROXIES'] = '127.0.0.1'
        site = _site(arguments, folder)
        if has_front:
            site = replace(site, inner_port=free_port())
        # the tables belong to another role than the one that serves
        told = _prepare(environment | {'BULLSEYE_DATABASE_URL': cluster.url(mode)}, mode)
        server, before = _serve_all(environment, site, folder, started)
        print(f'\nBullseye is at {site.address}  (started in {watch}; Ctrl-C stops it)\n')
        _say_network(site)
        print(told, flush=True)
        _note(folder, site, started)
        code = _watch(server, started, cluster, _upkeep(cluster, site, folder, mode, before), folder, site)
        raise GiveUp(f'The web server stopped by itself (exit code {code}).')
    except KeyboardInterrupt:
        step('stopping')
        return 0
    except OSError as error:
        raise GiveUp(f'{error.filename or "The system"}: {error.strerror}.') from None
    finally:
        signal.signal(signal.SIGINT, signal.SIG_IGN)  # a second Ctrl-C must not leave things running
        _end(*(one.process for one in reversed(started)))
        if cluster is not None and lock is not None:
            cluster.stop()
            running.forget(cluster.folder)
