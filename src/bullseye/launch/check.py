"""``./bullseye test``: every check there is, on a throw-away database."""

from __future__ import annotations

import argparse
import os
import shutil
import subprocess
import tempfile
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path
from xml.etree import ElementTree

from bullseye.launch import places, setup
from bullseye.launch.postgres import Cluster
from bullseye.launch.say import Stopwatch, run, step

_MOST_WORKERS = 4
# what a check found is kept for files that are as they were, beside the packages it came with
_ESLINT_KEEPS = ['--cache', '--cache-strategy', 'content', '--cache-location', 'node_modules/.cache/eslint/']
_VUE_TSC_KEEPS = ['--incremental', '--tsBuildInfoFile', 'node_modules/.cache/vue-tsc.tsbuildinfo']


def add_arguments(parser: argparse.ArgumentParser) -> None:
    """Options of the command: what stands behind -- goes to pytest."""
    parser.add_argument('pytest', nargs='*', help='arguments for pytest; with any, only pytest is run')


def _checks() -> list[tuple[str, list[str], Path]]:
    tools, root, web = places.VENV / 'bin', places.ROOT, places.WEB
    mutants = [str(tools / 'python'), 'bench/mutants.py', '--area', 'quick']
    python_places = ['src', 'tests', 'bench', 'bullseye']
    return [
        ('ruff', [str(tools / 'ruff'), 'check', *python_places], root),
        ('ruff format', [str(tools / 'ruff'), 'format', '--check', *python_places], root),
        ('mypy', [str(tools / 'mypy')], root),
        ('unused code', [str(tools / 'python'), '-m', 'bullseye.launch.unused'], root),
        ('numbers', [str(tools / 'python'), '-m', 'bullseye.launch.zeros'], root),
        # of twenty small faults the tests nearby notice about thirteen; fewer than eight is no chance any more
        ('mutants', [*mutants, '--count', '20', '--least', '0.4'], root),
        ('import-linter', [str(tools / 'lint-imports'), '--no-cache'], root),
        ('eslint', ['npx', 'eslint', '.', '--max-warnings', '0', *_ESLINT_KEEPS], web),
        ('prettier', ['npx', 'prettier', '--check', '--cache', '--log-level', 'warn', '.'], web),
        ('vue-tsc', ['npx', 'vue-tsc', '--noEmit', '-p', 'tsconfig.json', *_VUE_TSC_KEEPS], web),
    ]


def _check(environment: dict[str, str]) -> list[str]:
    """Run the checks that are not tests, side by side, longest first; the names of those that failed."""

    def one(check: tuple[str, list[str], Path]) -> str | None:
        name, command, folder = check
        step(name)
        done = subprocess.run(command, cwd=folder, env=environment, capture_output=True, text=True, check=False)
        if done.returncode:
            print(f'{name}:\n{done.stdout}{done.stderr}', flush=True)
        return name if done.returncode else None

    with ThreadPoolExecutor(_processes()) as pool:
        return [name for name in pool.map(one, reversed(_checks())) if name]


def test(arguments: argparse.Namespace) -> int:
    """Run all checks; one closing line of figures; 0 only when all passed."""
    watch = Stopwatch()
    setup.everything(for_tests=True)
    environment = {**os.environ, 'PYTHONPATH': str(places.ROOT / 'src')}
    environment.pop('PYTHONDONTWRITEBYTECODE', None)  # many processes read the same modules
    checks = 0 if arguments.pytest else len(_checks())
    failed = _check(environment) if checks else []
    good = checks - len(failed)
    step('pytest')
    folder = Path(tempfile.mkdtemp(prefix='bullseye-test-'))
    cluster = Cluster(folder, durable=False)
    try:
        cluster.make()
        cluster.start()
        cluster.ensure_application()
        cluster.ensure_database('test')
        environment['BULLSEYE_TEST_DATABASE_URL'] = cluster.url('test')
        environment['BULLSEYE_TEST_APPLICATION_URL'] = cluster.application_url('test')
        passed, broken, code = _pytest(arguments.pytest, environment, folder)
    finally:
        cluster.stop()
        shutil.rmtree(folder, ignore_errors=True)
    if code:
        failed.append('pytest')
    print(f'{good} of {checks} checks passed, in {watch}')
    print(f'{passed} passed, {max(broken, 1 if failed else 0)} failed')
    return 1 if failed else 0


def _processes() -> int:
    """As many as there are cores, as far as the one database server has room for them."""
    return min(os.cpu_count() or 1, _MOST_WORKERS)


def _side_by_side() -> list[str]:
    return ['-n', str(_processes()), '--dist', 'worksteal']


def _pytest(more: list[str], environment: dict[str, str], folder: Path) -> tuple[int, int, int]:
    """Run pytest with its output shown; return how many passed, how many did not, and its exit code.

    They are counted from its own report: what it prints at the end depends on how quiet it was asked to be.
    """
    report = folder / 'report.xml'
    command = [str(places.PYTHON), '-m', 'pytest', f'--junitxml={report}', *(more or _side_by_side())]
    code = subprocess.run(command, cwd=places.ROOT, env=environment, check=False).returncode
    return *counted(report), code


def counted(report: Path) -> tuple[int, int]:
    """How many tests of a report passed, and how many failed or broke; skipped ones are neither."""
    if not report.is_file():
        return 0, 0
    root = ElementTree.parse(report).getroot()  # noqa: S314 - written by pytest just now
    totals = dict.fromkeys(('tests', 'failures', 'errors', 'skipped'), 0)
    for suite in root.iter('testsuite'):
        for name in totals:
            totals[name] += int(suite.get(name, 0))
    broken = totals['failures'] + totals['errors']
    return totals['tests'] - broken - totals['skipped'], broken


def types(_: argparse.Namespace) -> int:
    """Write the API's description and, from it, the types of the front end."""
    setup.python_packages(for_tests=True)
    setup.front_end_packages()
    kept = places.WEB / 'src' / 'api' / 'openapi.json'
    program = 'from bullseye.api import spec; from bullseye.api.description import written; print(written(spec()))'
    kept.write_text(run([places.PYTHON, '-c', program], failed='The API could not be described'), encoding='utf-8')
    limits = 'from bullseye.core.basis.limits import limits_script; print(limits_script(), end="")'
    written = run([places.PYTHON, '-c', limits], failed='The limits could not be told')
    (places.WEB / 'src' / 'api' / 'limits.ts').write_text(written, encoding='utf-8')
    setup.front_end_types()
    return 0
