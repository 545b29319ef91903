"""The second factor of one's own sign-in, and of whoever has lost it."""

from __future__ import annotations

import segno
from apiflask import APIBlueprint
from flask import current_app, request
from flask.typing import ResponseReturnValue
from flask_login import current_user, login_required

from bullseye.api.context import database, person
from bullseye.api.errors import problem
from bullseye.api.limiter import limiter
from bullseye.api.schema import In, Out, Secret
from bullseye.store.people import secondfactor
from bullseye.store.rows.people import School

bp = APIBlueprint('secondfactor', __name__, url_prefix='/api', tag='Session')
# what somebody may do who is asked for a second factor and has none yet
_FREE = ('session.read_session', 'session.sign_out', 'session.sign_in', 'pages.page', 'static')


_OF_OTHERS = 'secondfactor.take_second_factor'


def key() -> str:
    """By which secrets are kept."""
    return str(current_app.config['SECRET_KEY'])


def require_when_asked() -> ResponseReturnValue | None:
    """Refuse everything else to those of whom the school asks one, until they have it."""
    if not request.path.startswith('/api/') or request.endpoint in _FREE:
        return None
    if request.blueprint == bp.name and request.endpoint != _OF_OTHERS:
        return None
    if current_user.is_authenticated and getattr(current_user, 'must_set_second_factor', False):
        return problem(
            403, 'second_factor_missing', 'The school asks for a second factor: set it up under Your account first.'
        )
    return None


class PasswordAsked(In):
    """One's own password."""

    password: Secret


class SecondFactorOut(Out):
    """Whether one signs in with a second factor, and whether the school asks for it."""

    is_on: bool
    is_asked: bool
    codes_left: int


class SecretOut(Out):
    """What an authenticator app is given: a picture to read, or the secret to type."""

    secret: str
    picture: str


class CodeIn(In):
    """What the app shows."""

    code: Secret


class CodesOut(Out):
    """Codes to print, each good for one sign-in; shown once."""

    codes: list[str]


@bp.get('/second-factor')
@login_required
@bp.output(SecondFactorOut)
@bp.doc(responses=[401])
def read_second_factor() -> SecondFactorOut:
    """Tell how one signs in."""
    school = database().get_one(School, person().school_id)
    return SecondFactorOut(
        is_on=secondfactor.is_on(person()),
        is_asked=secondfactor.is_asked_of(school, person()),
        codes_left=len(person().recovery_codes or []),
    )


@bp.post('/second-factor/begin')
@limiter.limit('10 per minute')
@login_required
@bp.input(PasswordAsked)
@bp.output(SecretOut)
@bp.doc(responses=[401, 403, 429])
def begin_second_factor(json_data: PasswordAsked) -> SecretOut:
    """Make a secret for an authenticator app; nothing changes before its first right code."""
    secret, address = secondfactor.begin(database(), person(), password=json_data.password, key=key())
    return SecretOut(secret=secret, picture=segno.make(address, micro=False).svg_data_uri(scale=4))


@bp.post('/second-factor/confirm')
@limiter.limit('10 per minute')
@login_required
@bp.input(CodeIn)
@bp.output(CodesOut)
@bp.doc(responses=[401, 403, 409, 429])
def confirm_second_factor(json_data: CodeIn) -> CodesOut:
    """Turn the second factor on by a first right code."""
    return CodesOut(codes=secondfactor.confirm(database(), person(), code=json_data.code, key=key()))


@bp.post('/second-factor/off')
@limiter.limit('10 per minute')
@login_required
@bp.input(PasswordAsked)
@bp.output({}, status_code=204)
@bp.doc(responses=[401, 403, 409, 429])
def turn_off_second_factor(json_data: PasswordAsked) -> ResponseReturnValue:
    """Sign in by the password alone again."""
    secondfactor.turn_off(database(), person(), password=json_data.password)
    return '', 204


@bp.post('/people/<int:person_id>/second-factor/off')
@limiter.limit('10 per minute')
@login_required
@bp.input(PasswordAsked)
@bp.output({}, status_code=204)
@bp.doc(responses=[401, 403, 404, 429])
def take_second_factor(person_id: int, json_data: PasswordAsked) -> ResponseReturnValue:
    """Take the second factor from somebody who has lost it; chief only, by their own password."""
    secondfactor.take_from(database(), person_id, by=person(), password=json_data.password)
    return '', 204
