"""How many small faults the tests notice: a seeded sample of mutants of core and tracks, run and told by folder.

    .venv/bin/python bench/mutants.py --count 200 --seed 1

A mutant is one line changed: a sign, a side, a bound, a unit. It is killed when a test fails with it. Not part of
`./bullseye test`: 150 took eleven minutes on two processors. `--only` keeps those whose name begins with it.

    .venv/bin/python bench/mutants.py --area offline --count 100 --seed 1

does the same for what needs a database or Node (`store`, `api`, `record`, `offline`), one after the other in a copy of
the tree as it was committed: an operator changed, and the tests of that area run until one fails. `quick` has the parts
of the core whose own tests take seconds; of other parts those are asked that name the module. Twenty of them are a
check of `./bullseye test`. About one in ten changes nothing: `>` for `>=` where nobody lands on the very value.
"""

from __future__ import annotations

import argparse
import json
import os
import random
import re
import signal
import subprocess
import sys
import tempfile
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


Place = tuple[str, str, tuple[str, ...]]  # where, which files, and the tests that are to notice
_QUICK = ('air', 'basis', 'exchange', 'explain', 'fly', 'measure')  # whose tests take seconds
AREAS: dict[str, tuple[Place, ...]] = {
    'store': (('src/bullseye/store', '*.py', ('tests/store', 'tests/api')),),
    'api': (('src/bullseye/api', '*.py', ('tests/api',)),),
    'record': (('src/bullseye/core/record', '*.py', ('tests/core/record',)),),
    'offline': (('web/src/offline', '*.ts', ('tests/device',)),),
    'quick': tuple((f'src/bullseye/core/{one}', '*.py', (f'tests/core/{one}',)) for one in _QUICK),
}
_MOST_S = 240.0  # the tests of a folder take seconds; of the device a minute
_MOST_BYTES = 6 << 30
_NEEDS_DATABASE = ('store', 'api')
_PURE = ('quick', 'record')  # Python alone, in one process
_CHANGES = (
    *((' >= ', ' > '), (' > ', ' >= '), (' <= ', ' < '), (' < ', ' <= '), (' == ', ' != '), (' != ', ' == ')),
    *((' === ', ' !== '), (' !== ', ' === '), (' and ', ' or '), (' or ', ' and '), (' && ', ' || '), (' || ', ' && ')),
    *((' + ', ' - '), (' - ', ' + '), (' is None', ' is not None'), (' is not None', ' is None'), ('if not ', 'if ')),
)
_NO_CODE = re.compile(r'^\s*(#|//|\*|/\*|import |from |@|"""|raise |[\w]+: )|:raises|:param|["\'].*["\'] *,?$')

_WORDS = re.compile(r"'[^']*'|\"[^\"]*\"")


def lines_changed(place: str, pattern: str) -> list[tuple[Path, int, str]]:
    """Every way to change one operator of one line: file, line and the line as it becomes."""
    found = []
    for path in sorted((ROOT / place).rglob(pattern)):
        if 'migrations' in path.parts or path.name.endswith('.d.ts'):
            continue
        in_words = False
        for number, line in enumerate(path.read_text(encoding='utf-8').splitlines()):
            quotes = line.count('"""')
            if in_words or quotes or _NO_CODE.search(line):
                in_words ^= quotes == 1
                continue
            code, mark, said = line.partition('  # ')  # what is said beside a line is no code
            words = re.sub(_WORDS, lambda one: '\0' * len(one[0]), code)  # what is said is no operator
            for a, b in _CHANGES:
                at = words.find(a)
                if at >= 0:
                    found.append((path, number, code[:at] + b + code[at + len(a) :] + mark + said))
    return found


def _naming(path: Path) -> list[str]:
    """Tests of the core in other folders that import from a module by its name."""
    module = '.'.join(path.relative_to(ROOT / 'src').with_suffix('').parts)
    known = sorted((ROOT / 'tests/core').rglob('test_*.py'))
    naming = [one for one in known if re.search(rf'^from {re.escape(module)} import', one.read_text('utf-8'), re.M)]
    return [str(one.relative_to(ROOT)) for one in naming if one.parent.name != path.parent.name]


def _notice(command: list[str], copy: Path, environment: dict[str, str], *, bounded: bool) -> bool:
    """Whether a test fails; a loop that does not end, or one that fills the memory, is noticed too."""
    with subprocess.Popen(
        ['prlimit', f'--as={_MOST_BYTES}', *command] if bounded else command,
        cwd=copy,
        env=environment,
        stdout=subprocess.DEVNULL,
        stderr=subprocess.DEVNULL,
        start_new_session=True,
    ) as running:
        try:
            return running.wait(_MOST_S if bounded else None) != 0
        except subprocess.TimeoutExpired:
            os.killpg(running.pid, signal.SIGKILL)
            return True


def beyond(area: str, *, count: int, seed: int) -> float:
    """Mutants of one area, each in the same copy of the tree, and which share of them a test notices."""
    known = [(one, tests) for place, files, tests in AREAS[area] for one in lines_changed(place, files)]
    sample = random.Random(seed).sample(known, min(count, len(known)))
    with tempfile.TemporaryDirectory(prefix='bullseye-mutants-') as folder:
        copy = Path(folder) / 'tree'
        subprocess.run(['git', 'clone', '-q', str(ROOT), str(copy)], check=True)
        for one in ('.venv', 'web/node_modules'):
            (copy / one).symlink_to(ROOT / one)
        start = [str(ROOT / '.venv/bin/python'), '-m', 'pytest', '-p', 'no:cacheprovider']
        if area in _NEEDS_DATABASE:
            start = [sys.executable, './bullseye', 'test', '--']
        environment = os.environ | {'PYTHONPATH': str(copy / 'src')}
        living = []
        for (path, number, line), tests in sample:
            there = copy / path.relative_to(ROOT)
            whole = there.read_text(encoding='utf-8')
            lines = whole.splitlines(keepends=True)
            before, lines[number] = lines[number].strip(), f'{line}\n'
            there.write_text(''.join(lines), encoding='utf-8')
            asked = [*tests, *_naming(path)] if area == 'quick' else tests
            noticed = _notice([*start, *asked, '-x', '-q'], copy, environment, bounded=area in _PURE)
            there.write_text(whole, encoding='utf-8')
            if not noticed:
                living.append(f'{path.relative_to(ROOT)}:{number + 1}: {before}  ->  {line.strip()}')
            print('.' if noticed else 'L', end='', flush=True)
    killed = len(sample) - len(living)
    print(f'\n{area}: {len(sample)} of {len(known)} mutants, {killed} killed, {killed / max(1, len(sample)):.0%}')
    print('\n'.join(living))
    return killed / max(1, len(sample))


def main() -> None:
    """Sample, run, tell."""
    parser = argparse.ArgumentParser(description=__doc__.splitlines()[0])
    parser.add_argument('--count', type=int, default=200)
    parser.add_argument('--seed', type=int, default=1)
    parser.add_argument('--only', default='', help='begin of the names, such as bullseye.core.model')
    parser.add_argument('--area', choices=sorted(AREAS), help='what the tests of core and tracks do not reach')
    parser.add_argument('--least', type=float, default=0.0, help='share of an area below which this fails')
    wanted = parser.parse_args()
    if wanted.area:
        killed = beyond(wanted.area, count=wanted.count, seed=wanted.seed)
        if killed < wanted.least:
            raise SystemExit(f'{killed:.0%} were noticed; at least {wanted.least:.0%} are asked for.')
        return
    if not names():
        mutmut('run', 'nothing that is')  # makes the mutants and times the tests
    if not (ROOT / 'mutants' / 'mutmut-stats.json').exists():
        raise SystemExit('The tests do not pass in the copy in which mutants are run; see above.')
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
