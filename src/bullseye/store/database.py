"""Opening the database."""

from __future__ import annotations

from typing import Any, Final

from sqlalchemy import Engine, create_engine, event
from sqlalchemy.orm import Session, sessionmaker

_WROTE: Final = 'wrote'


def open_engine(url: str) -> Engine:
    """Engine for a ``postgresql+psycopg://`` address; connections are checked before use, so a restart is survived.

    The same few statements are sent over and over, and planning their joins takes longer than running them: each
    connection prepares and plans a statement once.
    """
    plan_once = {'prepare_threshold': 1, 'options': '-c plan_cache_mode=force_generic_plan'}
    # parameters hold names and the digests of passwords: they stand in no message and in no log
    return create_engine(
        url, pool_pre_ping=True, pool_size=8, max_overflow=8, connect_args=plan_once, hide_parameters=True
    )


def session_maker(engine: Engine) -> sessionmaker[Session]:
    """Maker of sessions; rows stay readable after a commit."""
    return sessionmaker(engine, expire_on_commit=False)


@event.listens_for(Session, 'after_flush')
def _note_writing(db: Session, _context: object) -> None:
    db.info[_WROTE] = True


@event.listens_for(Session, 'do_orm_execute')
def _note_statement(state: Any) -> None:
    if not state.is_select and not state.execution_options.get('only_reads'):
        state.session.info[_WROTE] = True


@event.listens_for(Session, 'after_transaction_end')
def _forget_writing(db: Session, transaction: Any) -> None:
    if transaction.parent is None:
        db.info.pop(_WROTE, None)


def note_writing(db: Session) -> None:
    """Know of a statement that reads by its form and writes by what it calls."""
    db.info[_WROTE] = True


def has_written(db: Session) -> bool:
    """Whether the running transaction of a session holds anything but reading, or is broken."""
    return bool(db.info.get(_WROTE) or db.new or db.dirty or db.deleted) or not db.is_active
