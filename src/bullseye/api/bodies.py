"""What a request may bring: who it is comes first, then how large it is; nothing is parsed that is not wanted."""

from __future__ import annotations

from apiflask import APIFlask
from flask import request
from flask.typing import ResponseReturnValue
from flask_login import current_user
from flask_wtf.csrf import CSRFProtect

from bullseye.api.errors import problem
from bullseye.store.people.roles import may_coach
from bullseye.store.whole import archive
from bullseye.tracks.track import MOST_BYTES

_LARGER = {
    'tracks.send_track_file': MOST_BYTES,
    'archive.take_in_school': archive.MOST_BYTES,
}
_WRITES = ('POST', 'PUT', 'PATCH', 'DELETE')
# what a form of a page would send; nothing here takes one, and to read it costs many times its size
_FORMS = ('multipart/form-data', 'application/x-www-form-urlencoded')


class HeaderProtect(CSRFProtect):  # type: ignore[misc]
    """The token is taken from its header alone: to look for it in a form would mean to read the body first."""

    def _get_csrf_token(self) -> str | None:
        names: list[str] = self._app.config['WTF_CSRF_HEADERS']
        return next((request.headers[name] for name in names if name in request.headers), None)

    def init_app(self, app: APIFlask) -> None:
        """Guard every write of an application."""
        self._app = app
        super().init_app(app)


def register(app: APIFlask) -> None:
    """Look at every request before its body is."""
    app.before_request(_look)


def _look() -> ResponseReturnValue | None:
    if request.method not in _WRITES:
        return None
    if request.mimetype in _FORMS:
        return problem(415, 'no_forms', 'Forms are not taken here; send JSON.')
    most = _LARGER.get(request.endpoint or '')
    if most is None:
        return None
    if not current_user.is_authenticated:
        return problem(401, 'not_signed_in', 'Sign in first.')
    if not may_coach(current_user):
        return problem(403, 'not_allowed', 'Only those who teach may do this.')
    request.max_content_length = most
    return None
