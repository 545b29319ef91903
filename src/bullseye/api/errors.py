"""The one place that turns errors into replies."""

from __future__ import annotations

from typing import Any

from apiflask import APIFlask, HTTPError
from flask import request
from flask.typing import ResponseReturnValue
from flask_wtf.csrf import CSRFError
from pydantic import ValidationError
from werkzeug.exceptions import HTTPException

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.brief.request import RefusedRequest, messages
from bullseye.store.errors import Conflict, NotAllowed, NotFound, UnreadableRow, WrongLogin
from bullseye.tracks.track import UnreadableTrack


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

    @app.errorhandler(WrongLogin)
    def _wrong_login(error: WrongLogin) -> ResponseReturnValue:
        return problem(401, error.code, str(error))

    @app.errorhandler(Conflict)
    def _conflict(error: Conflict) -> ResponseReturnValue:
        return problem(409, error.code, str(error))

    @app.errorhandler(UnreadableRow)
    def _unreadable(error: UnreadableRow) -> ResponseReturnValue:
        return problem(409, error.code, str(error))

    @app.errorhandler(UnreadableTrack)
    def _no_track(error: UnreadableTrack) -> ResponseReturnValue:
        return _wrong_fields({'file': str(error)})

    @app.errorhandler(413)
    def _too_large(_error: HTTPException) -> ResponseReturnValue:
        most = (request.max_content_length or 0) / 1e6
        return problem(413, 'too_large', f'This is too large: at most {most:.3g} MB are taken here.')

    @app.errorhandler(CSRFError)
    def _csrf(error: CSRFError) -> ResponseReturnValue:
        return problem(400, 'csrf', f'{error.description} Reload the page.')

    @app.errorhandler(RecursionError)
    def _too_deep(_error: RecursionError) -> ResponseReturnValue:
        return problem(400, 'http_error', 'The body is nested too deeply.')

    @app.errorhandler(429)
    def _too_often(_error: HTTPException) -> ResponseReturnValue:
        return problem(429, 'too_often', 'Too many tries; wait a minute.')
