"""The database session and the person of a request."""

from __future__ import annotations

import re
from typing import cast

from flask import current_app, g, request
from flask_login import current_user
from sqlalchemy.exc import SQLAlchemyError
from sqlalchemy.orm import Session

from bullseye.core.basis.errors import InvalidInput
from bullseye.jobs import Queue
from bullseye.store.database import has_written
from bullseye.store.rows.people import User


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


class RevisionNotGiven(Exception):
    """A change of something that others change too, which does not say what it was seen as."""

    code = 'revision_not_given'


def seen_revision() -> int | None:
    """The revision that whoever writes has seen, as If-Match gives it; None for ``*``: whatever there is.

    :raises RevisionNotGiven: when it is not given
    :raises InvalidInput: when it is none
    """
    given = request.headers.get('If-Match', '').strip()
    if not given:
        raise RevisionNotGiven('Say by If-Match which revision you saw, or * to write over whatever there is.')
    if given == '*':
        return None
    found = re.fullmatch(r'"?(\d{1,9})"?', given)
    if found is None:
        raise InvalidInput('If-Match', given[:40], 'the revision that was read')
    return int(found[1])


def close_database(_error: BaseException | None) -> None:
    """Give the connection back.

    What was only read is ended with a commit: after a rollback the driver forgets the statements it has prepared, and
    planning them anew takes longer than running them. Anything written and not committed is rolled back.
    """
    db = g.pop('db', None)
    if db is not None:
        try:
            if not has_written(db):
                db.commit()
        except SQLAlchemyError:  # the connection went meanwhile, which has been answered
            db.rollback()
        finally:
            db.close()
