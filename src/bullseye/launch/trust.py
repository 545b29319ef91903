"""The page that says how a tablet comes to trust the school's certificate: plain http, nothing secret on it."""

from __future__ import annotations

import os
from pathlib import Path

import segno
from flask import Flask, Response, render_template_string, request

from bullseye.launch.tls import AUTHORITY, fingerprint

_PAGE = Path(__file__).with_name('trust.html').read_text(encoding='utf-8')


def create_app(*, folder: str | None = None, address: str | None = None) -> Flask:
    """The page's own small application.

    :param folder: where the certificates lie; ``BULLSEYE_TLS_FOLDER`` when not given
    :param address: of the application itself; ``BULLSEYE_HTTPS_ADDRESS`` when not given
    """
    app = Flask(__name__)
    kept = Path(folder or os.environ['BULLSEYE_TLS_FOLDER'])
    to = address or os.environ['BULLSEYE_HTTPS_ADDRESS']

    @app.get('/')
    def page() -> str:
        here = os.environ.get('BULLSEYE_TRUST_ADDRESS', request.host_url.rstrip('/'))
        return render_template_string(
            _PAGE,
            here=here,
            here_code=segno.make(here, micro=False).svg_inline(omitsize=True),
            app=to,
            app_code=segno.make(to, micro=False).svg_inline(omitsize=True),
            fingerprint=fingerprint(kept),
        )

    @app.get('/bullseye-school.crt')
    def certificate() -> Response:
        return Response((kept / AUTHORITY).read_bytes(), mimetype='application/x-x509-ca-cert')

    return app
