"""Backups of a school: all of its database and what else is state, in one file, and the way back from it.

A backup is made while the school works, and shows one moment of it. It is written beside its name first, read once
more, and only then given that name: a file that is there is whole. Restoring fills a database of its own, compares it
with what the backup says it holds, and only then puts it in the place of the other, which is kept under another name.
"""

from __future__ import annotations

import hashlib
import io
import json
import os
import re
import shutil
import tarfile
import tempfile
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path
from typing import Any
from urllib.parse import unquote, urlsplit

from bullseye.launch.say import GiveUp, give_up, run, step

_PREFIX, _SUFFIX = 'bullseye-', '.tar'
_MANIFEST, _DUMP, _STATE, _WHOLE = 'manifest.json', 'database.dump', 'state', 'whole.sha256'
_FORMAT = 2  # 1 had a digest of the database alone
KEPT = 14
_WANTED = re.compile(r'database\.dump|state/secret-key|state/tls/[a-z]+\.(crt|key)')
_MOST_MANIFEST = 1_000_000
_KEPT_STATE = ('secret-key', 'tls')  # besides the database; without them everybody signs in anew, and trusts anew
_COUNTS = (
    "select table_name, (xpath('/row/n/text()', query_to_xml(format("
    "'select count(*) as n from public.%I', table_name), false, true, '')))[1]::text "
    "from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE' order by 1"
)


@dataclass(frozen=True)
class Database:
    """A database as the programs of PostgreSQL are told of it; its password is in no argument."""

    programs: Path
    host: str
    port: str
    user: str
    password: str
    name: str

    @classmethod
    def of_url(cls, url: str, programs: Path) -> Database:
        """From an address of SQLAlchemy."""
        parts = urlsplit(url.replace('+psycopg', ''))
        return cls(
            programs,
            parts.hostname or '127.0.0.1',
            str(parts.port or 5432),
            unquote(parts.username or ''),
            unquote(parts.password or ''),
            parts.path.lstrip('/'),
        )

    def renamed(self, name: str) -> Database:
        """Another database of the same server."""
        return Database(self.programs, self.host, self.port, self.user, self.password, name)

    def call(self, program: str, *arguments: object, failed: str) -> str:
        """Run a program of PostgreSQL on it."""
        command = [self.programs / program, '-h', self.host, '-p', self.port, '-U', self.user, '-d', self.name]
        environment = {**os.environ, 'PGPASSWORD': self.password}
        return run([str(part) for part in (*command, *arguments)], env=environment, cwd=Path('/'), failed=failed)

    def sql(self, statement: str) -> str:
        """Run one statement."""
        return self.call('psql', '-X', '-q', '-A', '-t', '-c', statement, failed='The database does not answer')

    def counts(self) -> dict[str, int]:
        """Rows of every table."""
        rows = (line.split('|') for line in self.sql(_COUNTS).splitlines() if line)
        return {table: int(number) for table, number in rows}


def write(database: Database, *, mode: str, folder: Path | None, to: Path, version: str) -> Path:
    """Write a backup and return where it is.

    :param folder: of the data, for what is state besides the database; None where that is kept elsewhere
    :raises GiveUp: when it cannot be written; no file is left then
    """
    to.mkdir(parents=True, exist_ok=True, mode=0o700)
    moment = datetime.now(UTC)
    kept = to / f'{_PREFIX}{mode}-{moment:%Y-%m-%dT%H%M%SZ}{_SUFFIX}'
    part = kept.with_suffix('.part')
    with tempfile.TemporaryDirectory(prefix='bullseye-backup-', dir=to) as work:
        dump = Path(work) / _DUMP
        # counted before and after: what is in both is in the dump; what came meanwhile may be
        before = database.counts()
        database.call('pg_dump', '--format=custom', f'--file={dump}', failed='The database could not be backed up')
        after = database.counts()
        run([database.programs / 'pg_restore', '--list', dump], failed='The backup cannot be read again')
        manifest = {
            'format': _FORMAT,
            'version': version,
            'mode': mode,
            'made_at': moment.isoformat(),
            'at_least': {name: min(n, after.get(name, 0)) for name, n in before.items()},
            'at_most': {name: max(n, before.get(name, 0)) for name, n in after.items()},
        }
        try:
            _pack(part, manifest, {_DUMP: dump, **_state_of(folder)})
            os.replace(part, kept)
        except OSError as error:
            raise GiveUp(f'The backup could not be written to {to}: {error.strerror}.') from None
        finally:
            part.unlink(missing_ok=True)
    return kept


def _state_of(folder: Path | None) -> dict[str, Path]:
    """The files that are state besides the database, by their names in the backup."""
    places = [folder / name for name in _KEPT_STATE] if folder else []
    files = [one for place in places for one in ([place] if place.is_file() else sorted(place.glob('*')))]
    return {f'{_STATE}/{one.relative_to(folder)}': one for one in files if folder and one.is_file()}


def _pack(part: Path, manifest: Mapping[str, Any], files: Mapping[str, Path]) -> None:
    """Write the members, the digest of each into the manifest, and last of all the digest of all that is before it."""
    part.touch(mode=0o600)  # it holds the digests of passwords and the key of the cookies
    members = {name: _digest(one) for name, one in files.items()}
    with part.open('r+b') as out:
        with tarfile.open(fileobj=out, mode='w') as tar:
            _add_text(tar, _MANIFEST, json.dumps({**manifest, 'members': members}, indent=2))
            for name, one in files.items():
                tar.add(one, name, recursive=False)
            out.flush()
            _add_text(tar, _WHOLE, _digest(part))
        out.flush()
        os.fsync(out.fileno())


def _add_text(tar: tarfile.TarFile, name: str, text: str) -> None:
    head = tarfile.TarInfo(name)
    head.size, head.mode = len(text.encode()), 0o600
    tar.addfile(head, io.BytesIO(text.encode()))


def _digest(file: Path) -> str:
    with file.open('rb') as opened:
        return hashlib.file_digest(opened, 'sha256').hexdigest()


def made(to: Path) -> list[Path]:
    """The backups in a folder, the newest last."""
    return sorted(to.glob(f'{_PREFIX}*{_SUFFIX}'), key=lambda one: one.stat().st_mtime)


def thin(to: Path, *, mode: str, kept: int = KEPT) -> None:
    """Remove the oldest backups of a mode, all but the newest few."""
    for old in [one for one in made(to) if one.name.startswith(f'{_PREFIX}{mode}-')][:-kept]:
        old.unlink()


def read_manifest(file: Path) -> dict[str, Any]:
    """What a backup says of itself.

    :raises GiveUp: when it is none, is damaged anywhere, or one of a newer program
    """
    try:
        with tarfile.open(file) as tar:
            member = tar.getmember(_MANIFEST)
            if member.size > _MOST_MANIFEST:
                raise ValueError
            found: dict[str, Any] = json.loads((tar.extractfile(member) or io.BytesIO()).read())
            version = found.get('format')
            if isinstance(version, int) and version > _FORMAT:
                give_up(f'{file} was made by a newer version of Bullseye; use that version.')
            if version != 1:  # which had no digest of the whole
                _require_whole(file, tar)
                found['sha256'] = found['members'][_DUMP]
    except (OSError, tarfile.TarError, LookupError, TypeError, ValueError):
        give_up(f'{file} is no backup of Bullseye, or is damaged.')
    return found


def _require_whole(file: Path, tar: tarfile.TarFile) -> None:
    """Compare the digest of all that is before it with the last member.

    :raises ValueError: when they differ
    """
    last = tar.getmembers()[-1]
    told = tar.extractfile(last) if last.name == _WHOLE and last.size == 64 else None
    digest, left = hashlib.sha256(), last.offset
    with file.open('rb') as opened:
        while left and (some := opened.read(min(left, 1_000_000))):
            digest.update(some)
            left -= len(some)
    if told is None or told.read().decode() != digest.hexdigest():
        raise ValueError(_WHOLE)


def restore(file: Path, database: Database, *, replace: bool, folder: Path | None) -> str:
    """Fill a database from a backup; return the name that the database before it is kept under, '' where none was.

    :param database: the one to fill, by the name it shall have; its server runs
    :param replace: whether one that holds something may be put aside
    :raises GiveUp: when the backup is damaged, or does not hold what it says; all is as before then
    """
    manifest = read_manifest(file)
    server = database.renamed('postgres')
    there = bool(server.sql(f"select 1 from pg_database where datname = '{database.name}'").strip())  # noqa: S608
    used = there and any(database.counts().get(name, 0) for name in ('school', 'user_account'))
    if used and not replace:
        give_up('There is a school in this database already; add --replace, and it is put aside under another name.')
    filling = database.renamed(f'{database.name}_restoring')
    server.sql(f'drop database if exists {filling.name} with (force)')
    server.sql(f'create database {filling.name}')
    if not server.sql("select 1 from pg_roles where rolname = 'bullseye_rows'").strip():
        server.sql('create role bullseye_rows nologin')  # the rights in the backup are given to it
    try:
        with tempfile.TemporaryDirectory(prefix='bullseye-restore-') as work:
            _unpack(file, Path(work))
            dump = Path(work) / _DUMP
            for name, digest in manifest.get('members', {_DUMP: manifest['sha256']}).items():
                here = Path(work) / name
                if not here.is_file() or _digest(here) != digest:
                    give_up(f'{file} is damaged: {name} is not what was backed up.')
            step('filling the database')
            filling.call('pg_restore', '--exit-on-error', '--no-owner', dump, failed='The backup cannot be restored')
            _compare(filling.counts(), manifest)
            if folder is not None:
                _put_back(Path(work) / _STATE, folder)
    except BaseException:
        server.sql(f'drop database if exists {filling.name} with (force)')
        raise
    aside = f'{database.name}_before_{datetime.now(UTC):%Y%m%d_%H%M%S}' if there else ''
    if there:
        server.sql(f'alter database {database.name} rename to {aside}')
    server.sql(f'alter database {filling.name} rename to {database.name}')
    return aside


def _unpack(file: Path, work: Path) -> None:
    """Write out what a backup has by the names it may have, and nothing else of what is in the file."""
    try:
        with tarfile.open(file) as tar:
            for member in tar:
                opened = tar.extractfile(member) if member.isfile() and _WANTED.fullmatch(member.name) else None
                if opened is None:
                    continue
                place = work / member.name
                place.parent.mkdir(parents=True, exist_ok=True, mode=0o700)
                place.touch(mode=0o600)
                with opened, place.open('wb') as out:
                    shutil.copyfileobj(opened, out)
    except (OSError, tarfile.TarError) as error:
        give_up(f'{file} is damaged: {error}.')


def _compare(found: Mapping[str, int], manifest: Mapping[str, Any]) -> None:
    for table, least in manifest['at_least'].items():
        if not least <= found.get(table, 0) <= manifest['at_most'].get(table, least):
            give_up(f'The backup holds {found.get(table, 0)} rows of {table}, and says {least}: it is not restored.')


def _put_back(state: Path, folder: Path) -> None:
    """What is state besides the database; what is there is kept beside it."""
    for name in _KEPT_STATE:
        if not (state / name).exists():
            continue
        here = folder / name
        if here.exists():
            old = folder / f'{name}.before'
            shutil.rmtree(old, ignore_errors=True) if old.is_dir() else old.unlink(missing_ok=True)
            here.rename(old)
        shutil.move(state / name, here)
        if here.is_file():
            here.chmod(0o600)
