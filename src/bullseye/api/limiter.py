"""The rate limiter, counting failures in PostgreSQL.

Each try is counted before it is looked at, so that many at once are no more tries than one after the other; one that
did not fail is given back.
"""

from flask import Flask, Response, g
from flask_limiter import Limiter
from flask_limiter.util import get_remote_address

from bullseye.store.limits import PostgresStorage

limiter = Limiter(get_remote_address, strategy='fixed-window')
_FAILED = (401, 403, 404, 422)


def count_this() -> None:
    """Let this try count although it does not fail: what it does may be done so often only."""
    g.counts = True


def register(app: Flask) -> None:
    """Count the tries of an application."""
    limiter.init_app(app)

    @app.after_request
    def _give_back(reply: Response) -> Response:
        storage = limiter.storage if limiter.enabled else None
        if reply.status_code not in _FAILED and 'counts' not in g and isinstance(storage, PostgresStorage):
            for one in limiter.current_limits:
                storage.give_back(one.key)
        return reply
