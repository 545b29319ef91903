"""What runs from a data folder: told to a second start, which never begins beside it nor stops its database.

A start that is killed leaves its web server, worker and database behind, which go on serving while nobody makes
backups. The next start says so, and takes over when it is told to.
"""

from __future__ import annotations

import fcntl
import json
import os
import signal
import sys
import time
from collections.abc import Mapping
from contextlib import suppress
from datetime import UTC, datetime
from pathlib import Path
from typing import Any

from bullseye.launch.say import give_up, step

_NOTE = 'running.json'
_END_WITHIN_S = 15.0


def begun(pid: int) -> int | None:
    """When a process began, by the kernel's own clock, which tells it from a later one of the same number."""
    try:
        stat = Path(f'/proc/{pid}/stat').read_text(encoding='utf-8', errors='replace')
    except OSError:
        return None
    fields = stat.rpartition(')')[2].split()
    return None if fields[0] == 'Z' else int(fields[19])  # [pub: proc(5), state and starttime]


def note(folder: Path, address: str, processes: Mapping[str, int]) -> None:
    """Write down what was started from here, for a start that comes after this one was killed."""
    found = {
        'address': address,
        'launcher': os.getpid(),
        'since': datetime.now(UTC).isoformat(timespec='seconds'),
        'processes': [[name, pid, begun(pid)] for name, pid in processes.items()],
    }
    part = folder / f'{_NOTE}.part'
    part.write_text(json.dumps(found), encoding='utf-8')
    part.replace(folder / _NOTE)


def forget(folder: Path) -> None:
    """All that was started has been ended in order."""
    (folder / _NOTE).unlink(missing_ok=True)


def _read(folder: Path) -> dict[str, Any]:
    try:
        found: dict[str, Any] = json.loads((folder / _NOTE).read_text(encoding='utf-8'))
    except (OSError, ValueError):
        return {}
    return found


def _is_held(folder: Path) -> bool:
    try:
        with (folder / 'lock').open('a') as lock:
            fcntl.flock(lock, fcntl.LOCK_EX | fcntl.LOCK_NB)
    except FileNotFoundError:
        return False
    except OSError:
        return True
    return False


def require_free(folder: Path, *, take_over: bool) -> None:
    """Let a start go on only where nothing runs; what a killed one left behind is ended first, when that is wanted.

    :raises GiveUp: when something runs, with what and where
    """
    found = _read(folder)
    where = f' at {found["address"]}, since {found["since"]}' if found else ''
    if _is_held(folder):
        by = f', or: kill {found["launcher"]}' if found else ''
        give_up(f'Bullseye is already running from this folder{where}. Stop it there with Ctrl-C{by}.')
    left = [(name, pid) for name, pid, start in found.get('processes', ()) if begun(pid) == start is not None]
    if not left:
        return
    named = ', '.join(f'{name} ({pid})' for name, pid in left)
    if not take_over and not _wants(f'A start that was killed still serves{where}: {named}.'):
        give_up(
            f'A start that was killed still serves{where}, and nobody makes its backups: {named}. '
            'Nothing was changed. Start again with --take-over: that ends them in order and serves anew.'
        )
    step(f'taking over from {named}')
    for _, pid in left:
        with suppress(ProcessLookupError):
            os.kill(pid, signal.SIGTERM)
    until = time.monotonic() + _END_WITHIN_S
    while any(begun(pid) is not None for _, pid in left) and time.monotonic() < until:
        time.sleep(0.1)
    for _, pid in left:
        with suppress(ProcessLookupError):
            os.killpg(pid, signal.SIGKILL)
    forget(folder)


def _wants(said: str) -> bool:
    """Whether whoever sits at the terminal wants to take over; nobody does where there is none."""
    if not sys.stdin.isatty():
        return False
    return input(f'{said} Take over from it? [y/N] ').strip().lower() in ('y', 'yes')
