"""The database session and the person of a request."""

from __future__ import annotations

from typing import cast

from flask import current_app, g
from flask_login import current_user
from sqlalchemy.orm import Session

from bullseye.jobs import Queue
from bullseye.store.database import has_written
from bullseye.store.models import User


def database() -> Session:
    """The session of this request; closed when the request ends."""
    if 'db' not in g:
        g.db = current_app.extensions['bullseye_sessions']()
    return cast(Session, g.db)


def queue() -> Queue:
    """Where background work is handed in."""
    return cast(Queue, current_app.extensions['bullseye_queue'])


def person() -> User:
    """Who is signed in; the session is bound to their school."""
    return cast(User, current_user)


def close_database(_error: BaseException | None) -> None:
    """Give the connection back.

    What was only read is ended with a commit: after a rollback the driver forgets the statements it has prepared, and
    planning them anew takes longer than running them. Anything written and not committed is rolled back.
    """
    db = g.pop('db', None)
    if db is not None:
        if not has_written(db):
            db.commit()
        db.close()
