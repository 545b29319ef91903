"""The one place that turns errors into replies."""

from __future__ import annotations

import logging
import math
import os
import shutil
import time
from typing import Any

from apiflask import APIFlask, HTTPError
from flask import make_response, request
from flask.typing import ResponseReturnValue
from flask_wtf.csrf import CSRFError
from pydantic import ValidationError
from sqlalchemy.exc import DataError, DBAPIError, IntegrityError, InterfaceError, InternalError, OperationalError
from sqlalchemy.exc import TimeoutError as PoolTimeout
from sqlalchemy.orm.exc import StaleDataError
from werkzeug.exceptions import HTTPException

from bullseye.api.context import RevisionNotGiven
from bullseye.api.limiter import limiter
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.unknown import known_or
from bullseye.core.brief.request import RefusedRequest, messages
from bullseye.store.errors import ChangedMeanwhile, Conflict, NotAllowed, NotFound, UnreadableRow, WrongLogin
from bullseye.store.people.secondfactor import SecondFactorNeeded
from bullseye.tracks.track import UnreadableTrack

_log = logging.getLogger(__name__)
_AGAIN_S = 5


def _short(error: DBAPIError) -> str:
    """What the database refused, without the row: its details hold names and the digests of passwords."""
    told = getattr(error.orig, 'diag', None)
    return f'{getattr(told, "sqlstate", None)} {getattr(told, "constraint_name", None)}'


def problem(status: int, code: str, message: str, fields: dict[str, str] | None = None) -> ResponseReturnValue:
    """A refusal as every client reads it."""
    return {'code': code, 'message': message, 'fields': fields or {}}, status


def _wrong_fields(fields: dict[str, str]) -> ResponseReturnValue:
    return problem(422, 'invalid_input', '; '.join(fields.values()), fields)


def register(app: APIFlask) -> None:
    """Give every kind of error its reply."""

    @app.error_processor
    def _apiflask_error(error: HTTPError) -> Any:
        if isinstance(error.__cause__, ValidationError):
            return _wrong_fields(messages(error.__cause__))
        return problem(error.status_code, 'http_error', error.message or 'refused')

    @app.errorhandler(RefusedRequest)
    def _refused(error: RefusedRequest) -> ResponseReturnValue:
        return _wrong_fields(error.errors)

    @app.errorhandler(InvalidInput)
    def _invalid(error: InvalidInput) -> ResponseReturnValue:
        return _wrong_fields({error.field: str(error)})

    @app.errorhandler(NotFound)
    def _absent(error: NotFound) -> ResponseReturnValue:
        return problem(404, error.code, str(error))

    @app.errorhandler(NotAllowed)
    def _forbidden(error: NotAllowed) -> ResponseReturnValue:
        return problem(403, error.code, str(error))

    @app.errorhandler(SecondFactorNeeded)
    def _second_factor(error: SecondFactorNeeded) -> ResponseReturnValue:
        return problem(401, error.code, str(error))

    @app.errorhandler(WrongLogin)
    def _wrong_login(error: WrongLogin) -> ResponseReturnValue:
        return problem(401, error.code, str(error))

    @app.errorhandler(ChangedMeanwhile)
    def _changed(error: ChangedMeanwhile) -> ResponseReturnValue:
        return {'code': error.code, 'message': str(error), 'fields': {}, 'now': error.now}, 409

    @app.errorhandler(RevisionNotGiven)
    def _unseen(error: RevisionNotGiven) -> ResponseReturnValue:
        return problem(428, error.code, str(error))

    @app.errorhandler(StaleDataError)
    def _stale(_error: StaleDataError) -> ResponseReturnValue:
        words = 'Somebody else changed this at the same moment. Look again, and do it once more if it still holds.'
        return problem(409, 'changed_meanwhile', words)

    @app.errorhandler(Conflict)
    def _conflict(error: Conflict) -> ResponseReturnValue:
        return problem(409, error.code, str(error))

    @app.errorhandler(UnreadableRow)
    def _unreadable(error: UnreadableRow) -> ResponseReturnValue:
        return problem(409, error.code, str(error))

    @app.errorhandler(UnreadableTrack)
    def _no_track(error: UnreadableTrack) -> ResponseReturnValue:
        return _wrong_fields({'file': str(error)})

    _register_http(app)
    _register_database(app)


def _register_http(app: APIFlask) -> None:
    """What the way itself refuses: too large, too deep, too often, and a page whose sign-in has ended."""

    @app.errorhandler(413)
    def _too_large(_error: HTTPException) -> ResponseReturnValue:
        most = known_or(request.max_content_length, 0) / 1e6
        return problem(413, 'too_large', f'This is too large: at most {most:.3g} MB are taken here.')

    @app.errorhandler(CSRFError)
    def _csrf(_error: CSRFError) -> ResponseReturnValue:
        return problem(400, 'csrf', 'The sign-in of this page has ended. Sign in again.')

    @app.errorhandler(RecursionError)
    def _too_deep(_error: RecursionError) -> ResponseReturnValue:
        return problem(400, 'http_error', 'The body is nested too deeply.')

    @app.errorhandler(429)
    def _too_often(_error: HTTPException) -> ResponseReturnValue:
        limit = limiter.current_limit
        wait_s = _AGAIN_S if limit is None else max(1, math.ceil(limit.reset_at - time.time()))
        words = f'{wait_s} seconds' if wait_s < 90 else f'{math.ceil(wait_s / 60)} minutes'
        reply = make_response(problem(429, 'too_often', f'Too many tries; try again in {words}.'))
        reply.headers['Retry-After'] = str(wait_s)
        return reply


# [pub: PostgreSQL, appendix A] there already; pointed at, or no longer there
_OF_ANOTHER = ('23505', '23503')
_READS_ONLY = '25006'  # a database that follows another, asked while the way to the first one changes


_DISK_FULL = '53100'
_LEAST_FREE_BYTES = 25_000_000  # [own] a segment of the database's log, and a little


def is_disk_full() -> bool:
    """Whether the disk that the database is on has no room left; of a database elsewhere nobody knows here."""
    folder = os.environ.get('BULLSEYE_DISK', '')
    return bool(folder) and shutil.disk_usage(folder).free < _LEAST_FREE_BYTES


def disk_full() -> ResponseReturnValue:
    """Nothing can be kept; whoever asked keeps it and tries again, and whoever runs the server makes room."""
    words = 'The disk of the server is full, and nothing of this was kept. It is tried again; somebody must make room.'
    reply = make_response(problem(503, 'disk_full', words))
    reply.headers['Retry-After'] = str(_AGAIN_S)
    return reply


def _register_database(app: APIFlask) -> None:
    """What the database refuses, and a database that does not answer."""

    @app.errorhandler(IntegrityError)
    def _at_once(error: IntegrityError) -> ResponseReturnValue:
        if getattr(error.orig, 'sqlstate', None) not in _OF_ANOTHER:
            _log.error('a row that should not have been written: %s', _short(error))
            return problem(500, 'http_error', 'Internal Server Error')
        # the database refused what another request had just written: no fault of the program
        _log.info('refused by the database: %s', _short(error))
        return problem(409, 'conflict', 'Somebody else wrote the same at the same moment. Look again, then try again.')

    @app.errorhandler(DataError)
    def _not_storable(error: DataError) -> ResponseReturnValue:
        _log.warning('not storable: %s', _short(error))
        return problem(422, 'invalid_input', 'Something in this cannot be stored: look for odd characters and numbers.')

    @app.errorhandler(InternalError)
    def _not_the_first(error: InternalError) -> ResponseReturnValue:
        if getattr(error.orig, 'sqlstate', None) != _READS_ONLY:
            _log.error('the database broke off: %s', _short(error))
            return problem(500, 'http_error', 'Internal Server Error')
        return _no_database(error)

    @app.errorhandler(OperationalError)
    @app.errorhandler(InterfaceError)
    @app.errorhandler(PoolTimeout)
    def _no_database(error: Exception) -> ResponseReturnValue:
        # a server whose log finds no room stops: then nobody answers, and the disk itself tells why
        if getattr(getattr(error, 'orig', None), 'sqlstate', None) == _DISK_FULL or is_disk_full():
            _log.error('the disk of the database is full')
            return disk_full()
        _log.error('the database does not answer: %s', type(error).__name__)
        reply = make_response(problem(503, 'unavailable', 'The server cannot reach its database; try again shortly.'))
        reply.headers['Retry-After'] = str(_AGAIN_S)
        return reply
