"""How many small faults the tests notice: a seeded sample of mutants of core and tracks, run and told by folder.

    .venv/bin/python bench/mutants.py --count 200 --seed 1

A mutant is one line changed: a sign, a side, a bound, a unit. It is killed when a test fails with it. Not part of
`./bullseye test`: 150 took eleven minutes on two processors. `--only` keeps those whose name begins with it.
"""

from __future__ import annotations

import argparse
import json
import random
import subprocess
import sys
from collections import Counter
from pathlib import Path

ROOT = Path(__file__).resolve().parents[1]
_KILLED, _SURVIVED = 'killed', 'survived'
_FOLDERS = ('core.model', 'core.fly', 'core.brief', 'core.measure', 'core.explain', 'core.learn', 'tracks')


def names() -> dict[str, int | None]:
    """All mutants with the exit code of the tests, None for one that was not run."""
    found: dict[str, int | None] = {}
    for meta in sorted((ROOT / 'mutants').rglob('*.meta')):
        found |= json.loads(meta.read_text())['exit_code_by_key']
    return found


def folder(name: str) -> str:
    """Which part of the code a mutant belongs to."""
    return next((one for one in _FOLDERS if f'bullseye.{one}.' in name), 'other')


def mutmut(*arguments: str) -> None:
    """Run the mutation tool; what it prints goes through."""
    tool = Path(sys.executable).with_name('mutmut')
    subprocess.run([tool, *arguments], cwd=ROOT, check=False)


def verdict(code: int | None) -> str:
    """Killed by a failing test or by never ending; 33 means that no test reaches it."""
    if code is None:
        return 'not run'
    return _SURVIVED if code == 0 else 'no test' if code in (5, 33) else _KILLED


def main() -> None:
    """Sample, run, tell."""
    parser = argparse.ArgumentParser(description=__doc__.splitlines()[0])
    parser.add_argument('--count', type=int, default=200)
    parser.add_argument('--seed', type=int, default=1)
    parser.add_argument('--only', default='', help='begin of the names, such as bullseye.core.model')
    wanted = parser.parse_args()
    if not names():
        mutmut('run', 'nothing that is')  # makes the mutants and times the tests
    known = [one for one in sorted(names()) if one.startswith(wanted.only)]
    sample = random.Random(wanted.seed).sample(known, min(wanted.count, len(known)))
    mutmut('run', *sample)
    after = names()
    table: dict[str, Counter[str]] = {}
    for one in sample:
        table.setdefault(folder(one), Counter())[verdict(after.get(one))] += 1
    print('\n| folder | mutants | killed | survived | no test reaches it | share killed |')
    print('|---|---|---|---|---|---|')
    for place, count in sorted(table.items()):
        total = sum(count.values())
        print(
            f'| {place} | {total} | {count[_KILLED]} | {count[_SURVIVED]} | {count["no test"]} '
            f'| {count[_KILLED] / total:.0%} |'
        )
    total = sum(sum(count.values()) for count in table.values())
    killed = sum(count[_KILLED] for count in table.values())
    print(f'| all | {total} | {killed} | | | {killed / max(1, total):.0%} |')
    for one in sample:
        if verdict(after.get(one)) in (_SURVIVED, 'no test'):
            print(f'{verdict(after.get(one))}: {one}')


if __name__ == '__main__':
    main()
