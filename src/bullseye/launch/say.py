"""Progress lines, and the one sentence with which a start is given up."""

from __future__ import annotations

import subprocess
import sys
import time
from collections.abc import Sequence
from pathlib import Path
from typing import NoReturn


class GiveUp(Exception):
    """Something the user has to put right; its text is one clear sentence."""


def step(text: str) -> None:
    """Tell what is being done; on standard error, so that answers on standard output stay clean."""
    print(f'· {text}', file=sys.stderr, flush=True)


def give_up(sentence: str) -> NoReturn:
    """End the start with one sentence."""
    raise GiveUp(sentence)


def run(
    command: Sequence[str | Path],
    *,
    cwd: Path | None = None,
    env: dict[str, str] | None = None,
    told: str | None = None,
    failed: str,
) -> str:
    """Run a command quietly and return its output.

    :param told: what it reads on its standard input
    :raises GiveUp: with ``failed`` and the last lines of output, when it fails
    """
    try:
        done = subprocess.run(
            [str(part) for part in command], cwd=cwd, env=env, input=told, capture_output=True, text=True, check=False
        )
    except OSError as error:
        raise GiveUp(f'{failed} ({error.strerror}: {command[0]}).') from None
    if done.returncode:
        lines = (done.stderr.strip() or done.stdout.strip()).splitlines()
        if any('No space left' in line for line in lines):
            raise GiveUp('The disk is full; free some space and start again.')
        raise GiveUp(f'{failed}: ' + ' / '.join(line.strip() for line in lines[-3:]))
    return done.stdout


class Stopwatch:
    """Seconds since it was made."""

    def __init__(self) -> None:
        self.began = time.monotonic()

    def __str__(self) -> str:
        return f'{time.monotonic() - self.began:.0f} s'
