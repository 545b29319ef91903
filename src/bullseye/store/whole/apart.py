"""A school out of and into one file, in a process of its own: it takes minutes, and holds up nobody meanwhile.

    python -m bullseye.store.whole.apart out|in|mine SCHOOL PERSON FILE

The address of the database, a secret, comes by the standard input; what came of it goes out as JSON. A process
that takes more memory than it may ends, and nothing of the school is changed: all of it is one transaction.
"""

from __future__ import annotations

import errno
import json
import os
import resource
import subprocess
import sys
from typing import IO, Any, Literal

import psycopg
from sqlalchemy import func, select
from sqlalchemy.exc import DBAPIError, InternalError, OperationalError
from sqlalchemy.orm import Session

from bullseye.core.basis.errors import InvalidInput
from bullseye.store import scope
from bullseye.store.database import open_engine, session_maker
from bullseye.store.errors import Conflict, NotAllowed
from bullseye.store.rows.people import User
from bullseye.store.whole import archive

Task = Literal['out', 'in', 'mine']
_MOST_MEMORY = 2_000_000_000  # [own] bytes of address space; a row and a recorded flight are what is held at once
_NICE = 10
_ALONE = {'OPENBLAS_NUM_THREADS': '1'}  # each thread of it takes address space
_NO_DATABASE, _REFUSED = 3, 4  # how the process ends
_READS_ONLY, _DISK_FULL = '25006', '53100'  # [pub: PostgreSQL, appendix A]


def run(db: Session, task: Task, file: IO[bytes], *, person: User) -> dict[str, Any]:
    """Do it in a process of its own, and say what came of it.

    :param file: with a name on disk; read from its beginning, or written to
    :raises NotAllowed, Conflict, InvalidInput: as ``archive`` does
    :raises OperationalError, InternalError: as the database said meanwhile, a full disk too
    """
    who = [str(person.school_id), str(person.id)]
    here = db.scalar(select(func.current_database()))
    address = db.get_bind().engine.url.set(database=here).render_as_string(hide_password=False)
    db.commit()  # nothing is held here while it works
    command = [sys.executable, '-m', 'bullseye.store.whole.apart', task, *who, file.name]
    environment = os.environ | _ALONE
    # our own program, and three words of ours
    done = subprocess.run(command, env=environment, input=address.encode(), capture_output=True, check=False)  # noqa: S603
    if done.returncode not in (0, _REFUSED, _NO_DATABASE):
        sys.stderr.buffer.write(done.stderr[-4_000:])
        if task == 'in':
            raise InvalidInput('file', 'it could not be read', 'an archive that Bullseye wrote, whole')
        raise RuntimeError(f'the process that takes a school out ended with {done.returncode}')
    told: dict[str, Any] = json.loads(done.stdout)
    if done.returncode == _NO_DATABASE:
        raise _trouble(told['sqlstate'])
    if done.returncode == _REFUSED:
        raise _refusal(told)
    return told


def _trouble(state: str | None) -> Exception:
    """What the database said in that process, as if it had been said here: a full disk is told as one."""
    kind = InternalError if state == _READS_ONLY else OperationalError
    try:
        original: Exception = psycopg.errors.lookup(state or '')()
    except KeyError:
        original = psycopg.OperationalError()
    return kind('while a file was read or written', None, original)


def _refusal(told: dict[str, Any]) -> Exception:
    if told['code'] == InvalidInput.code:
        return InvalidInput(told['field'], told['value'], told['accepted'])
    return (NotAllowed if told['code'] == NotAllowed.code else Conflict)(told['words'])


def _work(task: str, school_id: int, person_id: int, path: str) -> dict[str, Any]:
    engine = open_engine(sys.stdin.read())
    with session_maker(engine)() as db:
        scope.bind(db, school_id)
        person = db.get_one(User, person_id)
        if task == 'in':
            with open(path, 'rb') as data:
                return {'rows': archive.take_in(db, data, by=person)}
        with open(path, 'wb') as out:
            if task == 'out':
                archive.write_out(db, out, by=person)
            else:
                archive.of_person(db, out, person=person)
    return {}


def main() -> int:
    """The process itself."""
    task, school_id, person_id, path = sys.argv[1:]
    os.nice(_NICE)
    resource.setrlimit(resource.RLIMIT_AS, (_MOST_MEMORY, _MOST_MEMORY))
    try:
        print(json.dumps(_work(task, int(school_id), int(person_id), path)))
    except InvalidInput as error:
        refused = {'field': error.field, 'value': str(error.value), 'accepted': error.accepted}
        print(json.dumps({'code': error.code, **refused}))
        return _REFUSED
    except (NotAllowed, Conflict) as error:
        print(json.dumps({'code': error.code, 'words': str(error)}))
        return _REFUSED
    except DBAPIError as error:
        print(json.dumps({'sqlstate': getattr(error.orig, 'sqlstate', None)}))
        return _NO_DATABASE
    except OSError as error:
        if error.errno != errno.ENOSPC:
            raise
        print(json.dumps({'sqlstate': _DISK_FULL}))
        return _NO_DATABASE
    return 0


if __name__ == '__main__':
    sys.exit(main())
