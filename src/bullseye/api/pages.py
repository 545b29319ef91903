"""The built front end, and the headers that guard every page."""

from __future__ import annotations

import re
from pathlib import Path
from wsgiref.headers import Headers

from apiflask import APIFlask
from flask import Response, request, send_from_directory
from flask.typing import ResponseReturnValue
from whitenoise import WhiteNoise

from bullseye.api.errors import problem

DIST = Path(__file__).resolve().parents[3] / 'web' / 'dist'
# what must lie at the root: icons, the manifest, and the worker that keeps the application on the device
_IS_ROOT_FILE = re.compile(r'(icon[\w-]*\.(svg|png)|manifest\.webmanifest|sw\.js|workbox-[\w-]+\.js)').fullmatch
_HSTS_S = 365 * 86_400
_POLICY = (
    "default-src 'self'; img-src 'self' data:; style-src 'self'; script-src 'self'; connect-src 'self'; "
    "object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'"
)


def _guard_asset(headers: Headers, _path: str, _url: str) -> None:
    headers['X-Content-Type-Options'] = 'nosniff'


def register(app: APIFlask) -> None:
    """Serve the front end: its files as they are, any other address as the one page."""
    if DIST.is_dir():
        app.wsgi_app = WhiteNoise(  # type: ignore[method-assign]
            app.wsgi_app,
            root=str(DIST / 'assets'),
            prefix='assets/',
            max_age=31_536_000,
            allow_all_origins=False,
            add_headers_function=_guard_asset,
        )

    @app.route('/api/<path:_path>', methods=['GET', 'POST', 'PUT', 'PATCH', 'DELETE'])
    @app.doc(hide=True)
    def no_such_resource(_path: str) -> ResponseReturnValue:
        return problem(404, 'not_found', 'no such address')

    @app.get('/')
    @app.get('/<path:path>')
    @app.doc(hide=True)
    def page(path: str = '') -> ResponseReturnValue:
        if path.startswith('assets/'):
            return problem(404, 'not_found', 'no such address')
        if not (DIST / 'index.html').exists():
            return Response('The front end is not built; run ./bullseye up.', 503, mimetype='text/plain')
        if _IS_ROOT_FILE(path) and (DIST / path).is_file():
            reply = send_from_directory(DIST, path)
            # the browser asks for these each time, so that it hears of a new version
            reply.headers['Cache-Control'] = 'no-cache'
            return reply
        reply = send_from_directory(DIST, 'index.html')
        reply.headers['Cache-Control'] = 'no-cache'
        return reply

    @app.after_request
    def guard(reply: Response) -> Response:
        reply.headers.setdefault('Content-Security-Policy', _POLICY)
        reply.headers.setdefault('X-Content-Type-Options', 'nosniff')
        reply.headers.setdefault('Referrer-Policy', 'same-origin')
        if request.path.startswith('/api/'):  # whatever it is, PDF and CSV too: it is of somebody
            reply.headers.setdefault('Cache-Control', 'no-store')
        if app.config['BULLSEYE_HSTS'] and request.is_secure:
            reply.headers.setdefault('Strict-Transport-Security', f'max-age={_HSTS_S}')
        return reply
