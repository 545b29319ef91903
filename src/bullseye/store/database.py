"""Opening the database."""

from __future__ import annotations

from sqlalchemy import Engine, create_engine
from sqlalchemy.orm import Session, sessionmaker


def open_engine(url: str) -> Engine:
    """Engine for a ``postgresql+psycopg://`` address; connections are checked before use, so a restart is survived.

    The same few statements are sent over and over, and planning their joins takes longer than running them: each
    connection prepares and plans a statement once.
    """
    plan_once = {'prepare_threshold': 1, 'options': '-c plan_cache_mode=force_generic_plan'}
    return create_engine(url, pool_pre_ping=True, pool_size=8, max_overflow=8, connect_args=plan_once)


def session_maker(engine: Engine) -> sessionmaker[Session]:
    """Maker of sessions; rows stay readable after a commit."""
    return sessionmaker(engine, expire_on_commit=False)
