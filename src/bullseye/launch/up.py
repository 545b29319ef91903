"""``./bullseye up``: set up, start everything, serve until Ctrl-C."""

from __future__ import annotations

import argparse
import fcntl
import os
import secrets
import signal
import subprocess
import time
import urllib.error
import urllib.request
from pathlib import Path
from typing import IO

from bullseye.launch import places, setup
from bullseye.launch.postgres import Cluster, is_taken
from bullseye.launch.say import GiveUp, Stopwatch, give_up, step

DEFAULT_PORT = 8765
_NEWER_DATABASE = 4
_WORKERS, _THREADS = 2, 4


def add_arguments(parser: argparse.ArgumentParser) -> None:
    """Options of the command."""
    parser.add_argument('--port', type=int, default=DEFAULT_PORT, help=f'port to serve on, {DEFAULT_PORT} if not given')
    parser.add_argument('--weather', metavar='URL', help='a weather station to ask, such as ./bullseye sim weather')
    which = parser.add_mutually_exclusive_group()
    which.add_argument('--demo', action='store_true', help='serve the demo school again after --empty')
    which.add_argument('--reset-demo', action='store_true', help='make the demo school anew; its changes are lost')
    which.add_argument('--empty', action='store_true', help='serve a school of your own; later starts remember it')


def _own(folder: Path) -> IO[str]:
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


def _serve(environment: dict[str, str], port: int) -> subprocess.Popen[bytes]:
    command = [places.VENV / 'bin' / 'gunicorn', '--bind', f'127.0.0.1:{port}', '--workers', _WORKERS]
    command += ['--threads', _THREADS, '--log-level', 'warning', '--graceful-timeout', 5, 'bullseye.api:create_app()']
    # a group of its own: Ctrl-C reaches only us, and we stop things in order
    return subprocess.Popen([str(part) for part in command], env=environment, start_new_session=True)


def _wait_until_up(server: subprocess.Popen[bytes], port: int) -> None:
    for _ in range(300):
        if server.poll() is not None:
            give_up('The web server stopped at once; its message is above.')
        try:
            with urllib.request.urlopen(f'http://127.0.0.1:{port}/api/health', timeout=2):
                return
        except (urllib.error.URLError, OSError):
            time.sleep(0.1)
    give_up('The web server does not answer within 30 s.')


def _raise_interrupt(*_: object) -> None:
    raise KeyboardInterrupt


def _check(arguments: argparse.Namespace) -> None:
    if not 1 <= arguments.port <= 65_535:
        give_up(f'Port {arguments.port} does not exist; choose one from 1024 to 65535.')
    if is_taken(arguments.port):
        give_up(f'Port {arguments.port} is taken; choose another with --port.')
    if arguments.weather and not arguments.weather.startswith(('http://', 'https://')):
        give_up(f'--weather {arguments.weather} is no address; it begins with http:// or https://.')


def up(arguments: argparse.Namespace) -> int:
    """Run until Ctrl-C or a terminate signal; stop all that was started."""
    _check(arguments)
    for stop in (signal.SIGINT, signal.SIGTERM):  # SIGINT too: a shell starts background jobs with it ignored
        signal.signal(stop, _raise_interrupt)
    watch = Stopwatch()
    cluster: Cluster | None = None
    server: subprocess.Popen[bytes] | None = None
    lock: IO[str] | None = None
    try:
        setup.everything(for_tests=False)
        folder = places.data_folder()
        folder.mkdir(parents=True, exist_ok=True)
        lock = _own(folder)
        mode = _mode(folder, arguments)
        cluster = Cluster(folder)
        step('starting the database')
        cluster.make()
        cluster.start()
        if arguments.reset_demo:
            step('making the demo school anew')
            cluster.drop_database('demo')
        cluster.ensure_database(mode)
        environment = {
            **os.environ,
            'BULLSEYE_WEATHER_URL': arguments.weather or '',
            'PYTHONPATH': str(places.ROOT / 'src'),
            'BULLSEYE_DATABASE_URL': cluster.url(mode),
            'BULLSEYE_SECRET_KEY': _secret_key(folder),
        }
        told = _prepare(environment, mode)
        step('starting the web server')
        server = _serve(environment, arguments.port)
        _wait_until_up(server, arguments.port)
        print(f'\nBullseye is at http://127.0.0.1:{arguments.port}  (started in {watch}; Ctrl-C stops it)\n')
        print(told, flush=True)
        code = server.wait()
        raise GiveUp(f'The web server stopped by itself (exit code {code}).')
    except KeyboardInterrupt:
        step('stopping')
        return 0
    except OSError as error:
        raise GiveUp(f'{error.filename or "The system"}: {error.strerror}.') from None
    finally:
        signal.signal(signal.SIGINT, signal.SIG_IGN)  # a second Ctrl-C must not leave things running
        if server is not None and server.poll() is None:
            server.terminate()
            try:
                server.wait(timeout=10)
            except subprocess.TimeoutExpired:
                os.killpg(server.pid, signal.SIGKILL)
        if cluster is not None and lock is not None:
            cluster.stop()
