"""``./bullseye backup`` and ``./bullseye restore``: of the database that ``up`` runs, or of one named elsewhere."""

from __future__ import annotations

import argparse
import os
from pathlib import Path

from bullseye import __version__
from bullseye.launch import backup, places
from bullseye.launch.postgres import Cluster, server_programs
from bullseye.launch.say import GiveUp, give_up

FOLDER = 'backups'


def add_backup_arguments(parser: argparse.ArgumentParser) -> None:
    """Options of ``backup``."""
    parser.add_argument(
        '--to', type=Path, metavar='DIR', help='where to write it; the data folder’s backups if not given'
    )


def add_restore_arguments(parser: argparse.ArgumentParser) -> None:
    """Options of ``restore``."""
    parser.add_argument('file', type=Path, help='the backup')
    parser.add_argument('--replace', action='store_true', help='put aside the school that is there, under another name')


def folder_of(data: Path) -> Path:
    """Where backups are kept when nothing else is said."""
    return Path(named).resolve() if (named := os.environ.get('BULLSEYE_BACKUPS')) else data / FOLDER


def database_of(cluster: Cluster, name: str) -> backup.Database:
    """A database of our own server, for the programs of PostgreSQL."""
    return backup.Database.of_url(cluster.url(name), cluster.programs)


def _elsewhere() -> backup.Database | None:
    """The database of a server that somebody else runs; None where it is ours."""
    url = os.environ.get('BULLSEYE_OWNER_URL') or os.environ.get('BULLSEYE_DATABASE_URL')
    if not url:
        return None
    programs = server_programs()
    if programs is None:
        give_up('The programs of PostgreSQL are not installed: they are in Debian’s postgresql.')
    return backup.Database.of_url(url, programs)


def make_backup(arguments: argparse.Namespace) -> int:
    """Back up the school, whether it is being served or not."""
    data = places.data_folder()
    there = _elsewhere()
    if there is not None:
        to = arguments.to or folder_of(data)
        print(backup.write(there, mode='school', folder=None, to=to.resolve(), version=__version__))
        return 0
    mode = _mode(data)
    cluster = Cluster(data)
    was_running = cluster.is_running
    try:
        cluster.start()
        to = (arguments.to or folder_of(data)).resolve()
        print(backup.write(database_of(cluster, mode), mode=mode, folder=data, to=to, version=__version__))
    finally:
        if not was_running:
            cluster.stop()
    return 0


def _mode(data: Path) -> str:
    try:
        return (data / 'mode').read_text(encoding='utf-8').strip()
    except FileNotFoundError:
        give_up('There is no school here yet: start it with ./bullseye up first.')


def restore(arguments: argparse.Namespace) -> int:
    """Restore a backup; Bullseye must not be running meanwhile."""
    from bullseye.launch.up import own  # here: it is a long module, and only this needs it

    manifest = backup.read_manifest(arguments.file)
    there = _elsewhere()
    if there is not None:
        _say(arguments.file, backup.restore(arguments.file, there, replace=arguments.replace, folder=None))
        return 0
    data = places.data_folder()
    data.mkdir(parents=True, exist_ok=True)
    lock = own(data)
    mode = str(manifest['mode'])
    if mode not in ('demo', 'school'):
        raise GiveUp(f'{arguments.file} is of no kind that is known here: {mode!r}.')
    cluster = Cluster(data)
    try:
        cluster.make()
        cluster.start()
        cluster.ensure_application()
        target = database_of(cluster, mode)
        aside = backup.restore(arguments.file, target, replace=arguments.replace, folder=data)
        (data / 'mode').write_text(mode, encoding='utf-8')
        _say(arguments.file, aside)
    finally:
        cluster.stop()
        lock.close()
    return 0


def _say(file: Path, aside: str) -> None:
    print(f'{file} is restored.' + (f' What was there before is kept as the database {aside}.' if aside else ''))
