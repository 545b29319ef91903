"""The cookie of a sign-in, which lasts by the reader's own count of seconds."""

from __future__ import annotations

import re

from flask import Flask, Response
from flask.sessions import SecureCookieSessionInterface, SessionMixin


class LastingSession(SecureCookieSessionInterface):
    """A cookie that names how long it lasts instead of the hour at which it ends.

    A tablet whose clock stands in another century would else throw it away at once, and could never sign in.
    """

    def save_session(self, app: Flask, session: SessionMixin, response: Response) -> None:
        """Write the cookie."""
        super().save_session(app, session, response)
        lasts = f'Max-Age={int(app.permanent_session_lifetime.total_seconds())}'
        written = response.headers.getlist('Set-Cookie')
        if not session or not written:  # one that is taken away ends at once
            return
        response.headers.setlist('Set-Cookie', [re.sub(r'Expires=[^;]+', lasts, one) for one in written])
