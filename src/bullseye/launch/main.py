"""The one entry: set-up commands run on Python's own library, the others inside ``.venv``."""

from __future__ import annotations

import argparse
import os
import sys

from bullseye.launch import check, keeping, places, setup, up
from bullseye.launch.say import GiveUp

_INSIDE = ('brief', 'advise', 'sight', 'film', 'analyse', 'sim')


def _inside(arguments: list[str]) -> int:
    """Hand a command to the program in ``.venv``, making that first when it is missing."""
    if not places.PYTHON.exists():
        with setup.SetupLock():
            setup.debian_packages(for_tests=False)
            setup.python_packages(for_tests=False)
    environment = {**os.environ, 'PYTHONPATH': str(places.ROOT / 'src')}
    os.execve(places.PYTHON, [str(places.PYTHON), '-m', 'bullseye.cli', *arguments], environment)  # noqa: S606


def _set_up(_: argparse.Namespace) -> int:
    """All that serving a school needs, for whoever may install; who serves then need not."""
    setup.everything(for_tests=False, with_front=True)
    print('All that is needed is there: ./bullseye up serves.')
    return 0


def main(argv: list[str]) -> int:
    """Run one command; 0 when all went well."""
    if sys.version_info < (3, 11):  # noqa: UP036  (it is run by whatever Python the machine has)
        print('Bullseye needs Python 3.11 or newer.', file=sys.stderr)
        return 1
    try:
        if argv and argv[0] in _INSIDE:
            return _inside(argv)
        parser = argparse.ArgumentParser(prog='./bullseye', description='Coaching landings, in feet.')
        commands = parser.add_subparsers(dest='command', required=True)
        up.add_arguments(commands.add_parser('up', help='set up, start everything and serve'))
        commands.add_parser('setup', help='install what is missing, and start nothing')
        check.add_arguments(commands.add_parser('test', help='run every check there is'))
        keeping.add_backup_arguments(commands.add_parser('backup', help='back up the school into one file'))
        keeping.add_restore_arguments(commands.add_parser('restore', help='bring a school back from a backup'))
        commands.add_parser('brief', help='work out one lesson from a JSON request')
        commands.add_parser('advise', help='learn from laps and say what to fly next')
        commands.add_parser('sight', help='what is seen from one place: directions and pixels')
        commands.add_parser('film', help='a whole approach as poses, with what happens in it')
        commands.add_parser('analyse', help='find laps, takeoffs and touchdowns in recorded tracks')
        commands.add_parser('sim', help='run a simulated stand-in: a weather station, a flight, a receiver')
        commands.add_parser('types', help='write the API description and the types the front end reads it by')
        arguments = parser.parse_args(argv)
        run = {
            'up': up.up,
            'setup': _set_up,
            'test': check.test,
            'types': check.types,
            'backup': keeping.make_backup,
            'restore': keeping.restore,
        }[arguments.command]
        return run(arguments)
    except GiveUp as error:
        print(f'bullseye: {error}', file=sys.stderr)
        return 1
    except KeyboardInterrupt:
        return 130
