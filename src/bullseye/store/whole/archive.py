"""Everything of a school as one file, and back into an empty school; and everything of one person.

A ZIP with a manifest, a JSON line for each row of each table, files of recorded flights as they came, and for people
who have no program for that: fields as GeoJSON, sorties, laps and logbooks as CSV. Passwords and secret links are not
in it.
"""

from __future__ import annotations

import csv
import hashlib
import io
import json
import secrets
import uuid
import zipfile
import zlib
from collections.abc import Callable, Iterator
from datetime import UTC, date, datetime, time
from typing import IO, Any, Final

from sqlalchemy import Column, Table, func, insert, select, update
from sqlalchemy.exc import DataError, DBAPIError, IntegrityError, ProgrammingError, SQLAlchemyError
from sqlalchemy.orm import Session

from bullseye.core.basis.constants import MODEL_VERSION
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.exchange.cells import safe_cell
from bullseye.core.record.logbook import to_csv
from bullseye.store.base import Base, SchoolOwned
from bullseye.store.equipment import editing
from bullseye.store.errors import Conflict, NotAllowed
from bullseye.store.people import deeds, joining
from bullseye.store.record import logbook
from bullseye.store.rows.equipment import Airfield
from bullseye.store.rows.flying import Sortie
from bullseye.store.rows.people import School, User
from bullseye.tracks.track import MOST_BYTES as MOST_TRACK_BYTES

VERSION: Final = 1  # of the layout of the file
_FORMAT: Final = 'bullseye-archive'
# never in the file: secrets; what is made again from the rest; what runs out
_SECRET = {
    *('password_hash', 'calendar_key_hash', 'session_epoch', 'totp_secret', 'totp_pending', 'totp_step'),
    'recovery_codes',
}
_LEFT_OUT = {'invitation', 'standing', 'sign_in', 'deed'}  # the last is of this place, and goes out to be read only
_PEOPLE = {'recorded_by', 'written_by', 'uploaded_by', 'noted_by', 'set_by', 'signed_by'}  # that hold a person's number
_SETTINGS = (
    *('crosswind_limit_kt', 'aim_step_ft', 'least_ceiling_ft', 'least_visibility_m', 'needed_chance', 'stale_days'),
    'currency_rules',
)
MOST_BYTES = 400_000_000  # [own] of a file that is taken in
_MOST_UNPACKED = 4_000_000_000  # [own] of all that is in it; it goes by row and by file, never whole into memory
_MOST_MANIFEST = 1_000_000
_MOST_FILE = 2 * MOST_TRACK_BYTES  # of one recorded flight as it is kept
_MOST_LINE = 4_000_000  # [own] characters of one row
_BATCH = 500


def tables() -> list[Table]:
    """The tables that are written out, those that others point at first."""
    owned = {mapper.local_table for mapper in Base.registry.mappers if issubclass(mapper.class_, SchoolOwned)}
    return [one for one in Base.metadata.sorted_tables if one in owned and one.name not in _LEFT_OUT]


def write_out(db: Session, out: IO[bytes], *, by: User) -> None:
    """Write everything of a school.

    :raises NotAllowed: for anybody but the chief instructor
    """
    if by.role != 'chief':
        raise NotAllowed('only the chief instructor takes everything out')
    school = db.get_one(School, by.school_id)
    counts: dict[str, int] = {}
    digests: dict[str, str] = {}
    with zipfile.ZipFile(out, 'w', zipfile.ZIP_DEFLATED) as file:
        for table in tables():
            digest, number = hashlib.sha256(), 0
            files: list[tuple[str, Any]] = []
            with file.open(f'data/{table.name}.jsonl', 'w', force_zip64=True) as lines:
                for row in _rows(db, table, by.school_id):
                    plain = {name: _plain(value) for name, value in row.items() if name not in _SECRET}
                    for name, value in row.items():
                        if isinstance(value, bytes):
                            plain[name] = {'file': f'files/{table.name}/{row["id"]}.{name}'}
                            files.append((plain[name]['file'], row['id']))
                    text = json.dumps(plain, ensure_ascii=False, allow_nan=False).encode() + b'\n'
                    digest.update(text)
                    lines.write(text)
                    number += 1
            for path, row_id in files:
                column = table.c[path.rpartition('.')[2]]
                data = db.scalar(select(column).where(table.c.school_id == by.school_id, table.c.id == row_id))
                file.writestr(path, data or b'')
            counts[table.name], digests[f'data/{table.name}.jsonl'] = number, digest.hexdigest()
        for name, text_of in _for_people(db, by).items():
            file.writestr(name, text_of())
        manifest = {
            'format': _FORMAT,
            'version': VERSION,
            'made_at': datetime.now(UTC).isoformat(),
            'model_version': MODEL_VERSION,
            'school': {'name': school.name, **{name: getattr(school, name) for name in _SETTINGS}},
            'rows': counts,
            'sha256': digests,
        }
        file.writestr('manifest.json', json.dumps(manifest, ensure_ascii=False, indent=2))
    deeds.note(db, by, 'exports', 'Took everything of the school out as an archive.')
    db.commit()


def _rows(db: Session, table: Table, school_id: int) -> Iterator[dict[str, Any]]:
    """All rows of a school, some at a time."""
    key = [column for column in table.primary_key if column.name != 'school_id']
    query = select(table).where(table.c.school_id == school_id).order_by(*key).execution_options(yield_per=_BATCH)
    for row in db.execute(query).mappings():
        yield {name: value for name, value in row.items() if name != 'school_id'}


def _plain(value: Any) -> Any:
    return (
        value.isoformat()
        if isinstance(value, date | datetime | time)
        else str(value)
        if isinstance(value, uuid.UUID)
        else value
    )


def _for_people(db: Session, by: User) -> dict[str, Callable[[], str]]:
    """Files that open without a program of ours."""
    found: dict[str, Callable[[], str]] = {
        'readable/sorties.csv': lambda: _csv(db, 'sortie', by.school_id),
        'readable/laps.csv': lambda: _csv(db, 'lap', by.school_id),
        'readable/deeds.csv': lambda: _csv(db, 'deed', by.school_id),
    }
    for row in db.scalars(select(Airfield).where(Airfield.school_id == by.school_id)):
        geojson = json.dumps(editing.geojson_of(row), ensure_ascii=False)
        found[f'readable/fields/{row.id}.geojson'] = lambda text=geojson: text  # type: ignore[misc]
    for person in joining.everyone(db, left_too=True):
        lines, _ = logbook.entries(db, person, most=logbook.MOST)
        if lines:
            text = to_csv(line for _, line in reversed(lines))
            found[f'readable/logbooks/{person.id}.csv'] = lambda text=text: text  # type: ignore[misc]
    return found


def _csv(db: Session, name: str, school_id: int) -> str:
    table = Base.metadata.tables[name]
    columns = [column.name for column in table.c if column.name not in ('school_id', 'belief', 'flown', 'writers')]
    out = io.StringIO()
    writer = csv.writer(out, lineterminator='\r\n')
    writer.writerow(columns)
    for row in _rows(db, table, school_id):
        cells = [_plain(row[column]) for column in columns]
        writer.writerow([_cell(cell) for cell in cells])
    return out.getvalue()


def _cell(value: Any) -> Any:
    if value is None:
        return ''
    return (
        safe_cell(value if isinstance(value, str) else json.dumps(value, ensure_ascii=False))
        if not isinstance(value, int | float)
        else value
    )


def take_in(db: Session, data: IO[bytes], *, by: User) -> dict[str, int]:
    """Fill an empty school from a file; all of it or nothing. Who has the chief's login becomes the chief.

    Everybody else is there by name and cannot sign in before they are given a password.

    :return: how many rows of each table
    :raises NotAllowed: for anybody but the chief instructor
    :raises Conflict: when the school is not empty
    :raises InvalidInput: when the file is no archive, is damaged, or of a later version
    """
    if by.role != 'chief':
        raise NotAllowed('only the chief instructor takes a school in')
    school = db.get_one(School, by.school_id, with_for_update=True)
    if db.scalar(select(func.count()).select_from(Sortie)) or db.scalar(select(func.count()).select_from(User)) != 1:
        raise Conflict('only an empty school takes an archive in: this one has people or sorties')
    try:
        with zipfile.ZipFile(data) as file:
            return _Taking(db, file, by=by, school=school).run()
    except InvalidInput:
        db.rollback()
        raise
    except _DAMAGED as error:
        db.rollback()
        if isinstance(error, DBAPIError) and not isinstance(error, DataError | IntegrityError | ProgrammingError):
            raise  # the database went, which says nothing of the file
        raise InvalidInput('file', type(error).__name__, 'an archive that Bullseye wrote, whole') from None
    except Exception:
        db.rollback()
        raise


# what a changed byte makes of a file: in its directory, in what is packed, in a row or in what a column takes
_DAMAGED: Final = (
    *(zipfile.BadZipFile, zlib.error, EOFError, OSError, NotImplementedError, RuntimeError, RecursionError),
    *(LookupError, TypeError, ValueError, ArithmeticError, AttributeError, SQLAlchemyError),
)


class _Taking:
    """One archive on its way into a school: rows get new numbers, and what points at them follows."""

    def __init__(self, db: Session, file: zipfile.ZipFile, *, by: User, school: School) -> None:
        self.db, self.file, self.by, self.school = db, file, by, school
        self.numbers: dict[str, dict[Any, Any]] = {}
        self.manifest = self._manifest()
        self.nobodys = joining.hash_of(secrets.token_urlsafe())  # of a password that nobody has

    def _manifest(self) -> dict[str, Any]:
        if any(one.compress_type not in (zipfile.ZIP_STORED, zipfile.ZIP_DEFLATED) for one in self.file.infolist()):
            raise InvalidInput('file', 'packed in another way', 'an archive as Bullseye packs it')
        whole = sum(one.file_size for one in self.file.infolist())
        if whole > _MOST_UNPACKED:
            raise InvalidInput('file', f'{whole:,} bytes unpacked', f'an archive of at most {_MOST_UNPACKED:,}')
        found: dict[str, Any] = json.loads(self._bounded('manifest.json', _MOST_MANIFEST))
        if found.get('format') != _FORMAT:
            raise InvalidInput('file', str(found.get('format'))[:80], 'an archive that Bullseye wrote')
        if not isinstance(found.get('version'), int) or found['version'] > VERSION:
            raise InvalidInput(
                'file', f'version {found.get("version")}'[:80], f'version {VERSION} at most: update first'
            )
        return found

    def _bounded(self, path: str, most: int) -> bytes:
        """What is packed under a name, when it is no larger than it may be."""
        size = self.file.getinfo(path).file_size
        if size > most:
            raise InvalidInput('file', f'{path[:80]} of {size:,} bytes', f'at most {most:,}')
        return self.file.read(path)

    def run(self) -> dict[str, int]:
        """Take everything in."""
        # what a new school was given, examples included, is in the file too
        self.by.technique_id = None
        self.db.flush()
        for table in reversed(tables()):
            if table.name != 'user_account':
                if table.name == 'sign_off':  # only ever added to, but by the owner's function
                    self.db.execute(select(func.signatures_are_replaced()))
                    continue
                self.db.execute(table.delete().where(table.c.school_id == self.school.id))
        found = {table.name: self._table(table) for table in tables()}
        settings = self.manifest['school']
        for name in _SETTINGS:
            if name in settings:
                setattr(self.school, name, settings[name])
        self.db.commit()
        return found

    def _table(self, table: Table) -> int:
        path = f'data/{table.name}.jsonl'
        numbers = self.numbers.setdefault(table.name, {})
        digest, count, batch = hashlib.sha256(), 0, []
        points_at = _points_at(table)
        with self.file.open(path) as lines:
            while line := lines.readline(_MOST_LINE + 1):
                if len(line) > _MOST_LINE:
                    raise InvalidInput('file', f'a row of {table.name} is too long', f'at most {_MOST_LINE:,} bytes')
                digest.update(line)
                row = {**json.loads(line)}
                old = row.get('id')
                values = self._values(table, row, points_at)
                if values is None:
                    continue
                count += 1
                if _is_numbered(table):
                    values.pop('id', None)
                    numbers[old] = self.db.execute(insert(table).values(values).returning(table.c.id)).scalar_one()
                else:
                    batch.append(values)
                if len(batch) >= _BATCH:
                    self.db.execute(insert(table), batch)
                    batch = []
        if batch:
            self.db.execute(insert(table), batch)
        if digest.hexdigest() != self.manifest['sha256'][path]:
            raise InvalidInput('file', path, 'an archive that was not changed or cut off')
        return count

    def _values(self, table: Table, row: dict[str, Any], points_at: dict[str, str]) -> dict[str, Any] | None:
        if 'school_id' in row:
            raise InvalidInput('file', f'a school_id in {table.name}', 'rows of no school, as Bullseye writes them')
        values: dict[str, Any] = {'school_id': self.school.id}
        for column in table.c:
            if column.name in row:
                values[column.name] = self._value(column, row[column.name])
        for name, other in points_at.items():
            if values.get(name) is not None:
                values[name] = self.numbers[other][values[name]]
        if table.name == 'user_account':
            return self._person(values)
        return values

    def _person(self, values: dict[str, Any]) -> dict[str, Any] | None:
        """A person of the file; whoever has the chief's login is the chief, who is there already."""
        if values['login'] == self.by.login:
            self.numbers['user_account'][values.pop('id')] = self.by.id
            changed = {name: values[name] for name in ('name', 'technique_id', 'crosswind_limit_kt') if name in values}
            self.db.execute(update(User).where(User.id == self.by.id).values(changed))
            return None
        values['password_hash'] = self.nobodys
        values['session_epoch'] = 1
        while joining.is_login_taken(self.db, values['login']):
            values['login'] = f'{secrets.token_hex(2)}.{values["login"]}'[:120]
        return values

    def _value(self, column: Column[Any], value: Any) -> Any:
        """A value as its column takes it."""
        if isinstance(value, dict) and set(value) == {'file'} and column.type.python_type is bytes:
            return self._bounded(value['file'], _MOST_FILE)
        if value is None:
            return None
        try:
            kind = column.type.python_type
        except NotImplementedError:  # a type of PostgreSQL's own names none: its value is plain already
            return value
        if kind in (date, datetime, time) and isinstance(value, str):
            return kind.fromisoformat(value)
        return uuid.UUID(value) if kind is uuid.UUID else value


def _points_at(table: Table) -> dict[str, str]:
    """Columns that hold the number of a row of another table."""
    found: dict[str, str] = {}
    for key in table.foreign_key_constraints:
        other = key.referred_table
        for element in key.elements:
            if element.parent.name != 'school_id' and element.column.name == 'id' and _is_numbered(other):
                found[element.parent.name] = other.name
    for name in _PEOPLE & {column.name for column in table.c}:
        found[name] = 'user_account'
    return found


def _is_numbered(table: Table) -> bool:
    return 'id' in table.c and table.c.id.type.python_type is int


def of_person(db: Session, out: IO[bytes], *, person: User) -> None:
    """Write everything of one person: their sorties, laps, logbook, and what was signed, noted and set of them."""
    with zipfile.ZipFile(out, 'w', zipfile.ZIP_DEFLATED) as file:
        rows: dict[str, int] = {}
        for table in tables():
            mine = [name for name in ('student_id', 'person_id') if name in table.c]
            if table.name == 'user_account':
                mine = ['id']
            if not mine:
                continue
            query = select(table).where(table.c.school_id == person.school_id, table.c[mine[0]] == person.id)
            found = [
                {name: _plain(value) for name, value in row.items() if name not in _SECRET and name != 'school_id'}
                for row in db.execute(query).mappings()
            ]
            rows[table.name] = len(found)
            lines = ''.join(json.dumps(row, ensure_ascii=False, default=str) + '\n' for row in found)
            file.writestr(f'data/{table.name}.jsonl', lines)
        entries, _ = logbook.entries(db, person, most=logbook.MOST)
        file.writestr('readable/logbook.csv', to_csv(line for _, line in reversed(entries)))
        manifest = {'format': f'{_FORMAT}-person', 'version': VERSION, 'made_at': datetime.now(UTC).isoformat()}
        file.writestr('manifest.json', json.dumps({**manifest, 'person': person.name, 'rows': rows}, indent=2))
    deeds.note(db, person, 'exports', 'Took everything of theirs out.')
    db.commit()
