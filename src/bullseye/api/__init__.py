"""The HTTP API: parse, authorise, call, serialise."""

from __future__ import annotations

import os
import re
import uuid
from datetime import timedelta
from typing import Any

from apiflask import APIFlask
from flask import request
from flask.typing import ResponseReturnValue
from flask_compress import Compress
from flask_login import LoginManager
from sqlalchemy import text

from bullseye import __version__
from bullseye.api import bodies, errors, limiter, pages
from bullseye.api.context import close_database, database
from bullseye.api.cookie import LastingSession
from bullseye.api.description import make_small
from bullseye.api.equipment import catalogue, fields, hangar
from bullseye.api.flying import briefs, cockpit, days, laps, sorties, weather
from bullseye.api.people import school, secondfactor, session
from bullseye.api.proxies import NamedProxies, named_networks
from bullseye.api.record import examining, homework, logbook, practice, signoffs, students, teaching, week
from bullseye.api.schema import PROBLEM
from bullseye.api.tracks import tracks
from bullseye.api.whole import archive
from bullseye.jobs import Queue
from bullseye.jobs.mail import WrongMailAddress, mail_server
from bullseye.store.database import open_engine, session_maker
from bullseye.store.people import signins
from bullseye.store.rows.people import User
from bullseye.words import language


def create_app(*, database_url: str | None = None, secret_key: str | None = None) -> APIFlask:
    """Build the application.

    :param database_url: ``postgresql+psycopg://…``; else the environment's ``BULLSEYE_DATABASE_URL``
    :param secret_key: signs the session cookie; else the environment's ``BULLSEYE_SECRET_KEY``
    """
    url = database_url or os.environ['BULLSEYE_DATABASE_URL']
    app = APIFlask('bullseye.api', title='Bullseye', version=__version__, docs_path=None, spec_path='/api/openapi.json')
    app.config.update(
        SECRET_KEY=secret_key or os.environ['BULLSEYE_SECRET_KEY'],
        SENDS_MAIL=mail_server() is not None,  # read once, so that a wrong address is told at the start
        OPENAPI_VERSION='3.1.0',
        VALIDATION_ERROR_SCHEMA=PROBLEM,
        VALIDATION_ERROR_DESCRIPTION='Wrong fields',
        HTTP_ERROR_SCHEMA=PROBLEM,
        SESSION_COOKIE_NAME='bullseye',
        SESSION_COOKIE_HTTPONLY=True,
        SESSION_COOKIE_SAMESITE='Lax',
        SESSION_COOKIE_SECURE=os.environ.get('BULLSEYE_HTTPS') == '1',
        PERMANENT_SESSION_LIFETIME=timedelta(days=30),
        WTF_CSRF_TIME_LIMIT=None,
        BULLSEYE_HSTS=os.environ.get('BULLSEYE_HSTS') == '1',
        WTF_CSRF_SSL_STRICT=False,
        MAX_CONTENT_LENGTH=256_000,
        RATELIMIT_STORAGE_URI=url,
        JSON_SORT_KEYS=False,
        COMPRESS_MIMETYPES=['application/json'],
        COMPRESS_ALGORITHM=['br', 'gzip'],
        COMPRESS_BR_LEVEL=5,
        COMPRESS_MIN_SIZE=1_500,  # the session with its token is smaller
    )
    app.extensions['bullseye_sessions'] = session_maker(open_engine(url))
    app.extensions['bullseye_queue'] = Queue(url)
    app.teardown_appcontext(close_database)
    app.session_interface = LastingSession()
    hosts = [one.strip() for one in os.environ.get('BULLSEYE_HOSTS', '').split(',') if one.strip()]
    if hosts:  # links are made of the name that was asked for: let nobody choose it
        app.config['TRUSTED_HOSTS'] = hosts
    elif app.config['SENDS_MAIL']:  # or whoever asks in somebody's name has the link lead to themselves
        raise WrongMailAddress('BULLSEYE_MAIL_URL needs BULLSEYE_HOSTS, the names that links in letters may lead to.')
    proxies = named_networks(os.environ.get('BULLSEYE_PROXIES', ''))
    app.wsgi_app = NamedProxies(app.wsgi_app, proxies)  # type: ignore[method-assign]
    app.before_request(_speak_as_asked)
    _sign_in_by_cookie(app)
    bodies.register(app)  # before anything that would read a body
    bodies.HeaderProtect(app)
    limiter.register(app)
    errors.register(app)
    app.spec_processor(_described)
    _register_resources(app)
    pages.register(app)
    Compress(app)

    @app.get('/api/health')
    @app.doc(hide=True)
    def health() -> ResponseReturnValue:
        if errors.is_disk_full():
            return errors.disk_full()
        database().execute(text('select 1'))
        return {'status': 'up', 'version': __version__}

    return app


def _register_resources(app: APIFlask) -> None:
    """All resources, in the order in which the description lists them."""
    lesson = (days, sorties, briefs, laps, weather)
    record = (students, signoffs, homework, teaching, logbook, practice)
    for resource in (session, catalogue, hangar, fields, *lesson, *record):
        app.register_blueprint(resource.bp)
    app.before_request(secondfactor.require_when_asked)
    for resource in (cockpit, tracks, school, archive, examining, week, secondfactor):
        app.register_blueprint(resource.bp)


def _described(found: dict[Any, Any] | str) -> dict[Any, Any] | str:
    """Describe the refusals before every write, no CSRF token or a body that cannot be taken, and make it small.

    Whoever is asked for a second factor and has none is refused everywhere.
    """
    if isinstance(found, str):  # written as YAML, which we never ask for
        return found
    for path in found['paths'].values():
        for responses in (operation['responses'] for operation in path.values() if 'responses' in operation):
            if '401' in responses and '403' not in responses:
                responses['403'] = _refusal('Not allowed, or a second factor is asked for first')
        for method in {'post', 'put', 'patch', 'delete'} & path.keys():
            for status, why in (('400', 'No valid CSRF token, or the body is not JSON'), ('413', 'Too large')):
                path[method]['responses'][status] = _refusal(why)
    return make_small(found)


def _refusal(why: str) -> dict[str, Any]:
    schema = {'$ref': '#/components/schemas/HTTPError'}
    return {'description': why, 'content': {'application/json': {'schema': schema}}}


def _speak_as_asked() -> None:
    """Speak the language that the device asks for, until it is known who is there and which one they chose."""
    language.speak(language.best_of(request.accept_languages.values()))


def _sign_in_by_cookie(app: APIFlask) -> None:
    manager = LoginManager(app)
    manager.session_protection = None  # it ties a session to an address, and a tablet changes networks

    @manager.user_loader
    def load(key: str) -> User | None:
        found = re.fullmatch(r'(\d{1,9})\.(\d{1,9})\.([0-9a-f-]{36})', key)
        if found is None:
            return None
        person_id, epoch, sign_in = found.groups()
        user = signins.of_cookie(database(), person_id=int(person_id), epoch=int(epoch), sign_in_id=uuid.UUID(sign_in))
        if user is not None and user.language is not None:
            language.speak(user.language)
        return user

    @manager.unauthorized_handler
    def nobody() -> ResponseReturnValue:
        return errors.problem(401, 'not_signed_in', 'Sign in first.')


def spec() -> dict[str, Any]:
    """The OpenAPI description, without a database being needed."""
    app = create_app(database_url='postgresql+psycopg://nobody@127.0.0.1:1/none', secret_key='spec')  # noqa: S106
    return dict(app._get_spec('json'))  # type: ignore[arg-type]
