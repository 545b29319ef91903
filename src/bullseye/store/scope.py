"""The one place that keeps schools apart.

A session is bound to a school; every statement on a school-owned table is narrowed to it, and a row of another school
cannot be written. A session that was bound to none may not touch those tables at all.

The database is told too, at the beginning of every transaction, and shows its rows by that alone: what slips past this
code finds nothing.
"""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from functools import cache
from typing import Any, Final, cast

from sqlalchemy import Connection, Table, event
from sqlalchemy.orm import ORMExecuteState, Session, SessionTransaction, UOWTransaction, with_loader_criteria
from sqlalchemy.sql import visitors

from bullseye.core.basis.errors import BullseyeError
from bullseye.store.base import Base, SchoolOwned

_KEY: Final = 'school_id'
_EVERY: Final = 'every'
_TOLD: Final = 'told_school'  # what the running transaction was told


class NoSchool(BullseyeError):
    """A statement on school-owned rows outside any school; a mistake of ours, never of a user."""

    code = 'no_school'


def bind(db: Session, school_id: int) -> None:
    """Let a session see and write the rows of one school only."""
    db.info[_KEY] = school_id
    _tell_database(db)


def see_every_school(db: Session) -> None:
    """Open a session to all schools: for signing in, invitations and set-up, before a school is known."""
    db.info[_KEY] = _EVERY
    _tell_database(db)


@contextmanager
def every_school(db: Session) -> Iterator[None]:
    """See all schools for one question, and be bound as before afterwards."""
    before = db.info.get(_KEY)
    see_every_school(db)
    try:
        yield
    finally:
        db.info[_KEY] = before
        if before is None:
            del db.info[_KEY]
        _tell_database(db)


@contextmanager
def told_by_the_answer(db: Session) -> Iterator[list[int]]:
    """Ask a function of the owner's that tells the transaction its school itself; the number goes into the list.

    Without a number the session is bound to none, as before.
    """
    found: list[int] = []
    before = {name: db.info[name] for name in (_KEY, _TOLD) if name in db.info}
    db.info[_KEY] = db.info[_TOLD] = _EVERY  # nothing need be told before
    try:
        yield found
    finally:
        db.info.pop(_KEY)
        db.info.pop(_TOLD, None)
        db.info.update({_KEY: found[0], _TOLD: found[0]} if found else before)


_TELL: Final = "select set_config('bullseye.school', %s, true), set_config('bullseye.every', %s, true)"


def _tell_database(db: Session) -> None:
    """Tell the transaction that runs; one that is still to begin is told then."""
    if db.in_transaction() and db.info.get(_TOLD) != db.info.get(_KEY):
        _tell(db, db.connection())


def _tell(db: Session, connection: Connection) -> None:
    found = db.info.get(_KEY)
    if found == db.info.get(_TOLD):
        return
    school, every = ('', 'on') if found == _EVERY else ('' if found is None else str(found), '')
    connection.exec_driver_sql(_TELL, (school, every))
    db.info[_TOLD] = found


@event.listens_for(Session, 'after_begin')
def _begun(db: Session, _transaction: object, connection: Connection) -> None:
    if db.info.get(_KEY) is not None:
        _tell(db, connection)


@event.listens_for(Session, 'after_transaction_end')
def _ended(db: Session, transaction: SessionTransaction) -> None:
    if transaction.parent is None:
        db.info.pop(_TOLD, None)


def _bound(db: Session) -> Any:
    found = db.info.get(_KEY)
    if found is None:
        raise NoSchool('this session is bound to no school')
    return found


@cache
def _owned_tables() -> frozenset[Any]:
    return frozenset(mapper.local_table for mapper in Base.registry.mappers if issubclass(mapper.class_, SchoolOwned))


def _touches_owned(state: ORMExecuteState) -> bool:
    """Whether a statement reads or writes rows of a school: also one that returns no row of them, but counts them."""
    if any(issubclass(mapper.class_, SchoolOwned) for mapper in state.all_mappers):
        return True
    return any(
        part in _owned_tables() for part in visitors.iterate(cast(Any, state.statement)) if isinstance(part, Table)
    )


@event.listens_for(Session, 'do_orm_execute')
def _narrow(state: ORMExecuteState) -> None:
    if not _touches_owned(state):
        return
    school_id = _bound(state.session)
    if school_id != _EVERY:
        state.statement = state.statement.options(
            with_loader_criteria(SchoolOwned, lambda cls: cls.school_id == school_id, include_aliases=True)
        )


@event.listens_for(Session, 'before_flush')
def _refuse_strangers(db: Session, _context: UOWTransaction, _instances: object) -> None:
    for row in (*db.new, *db.dirty, *db.deleted):
        if isinstance(row, SchoolOwned):
            school_id = _bound(db)
            if school_id == _EVERY:
                continue
            if row.school_id is None:
                row.school_id = school_id
            if row.school_id != school_id:
                raise NoSchool(f'a row of school {row.school_id} in a session of school {school_id}')
