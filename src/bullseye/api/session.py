"""Signing in and out, the first run, and invitations."""

from __future__ import annotations

from typing import Literal

from apiflask import APIBlueprint
from flask import request
from flask.typing import ResponseReturnValue
from flask_login import current_user, login_required, login_user, logout_user
from flask_wtf.csrf import generate_csrf

from bullseye import __version__
from bullseye.api.context import database, person
from bullseye.api.limiter import limiter
from bullseye.api.schema import Id, In, Login, Out, Secret, Text
from bullseye.core.basis.constants import MODEL_VERSION
from bullseye.core.model.news import LATEST, ModelNews
from bullseye.demo.examples import add_fleet
from bullseye.store import catalogue, people, reworking, scope
from bullseye.store.errors import NotFound
from bullseye.store.models import School, User

bp = APIBlueprint('session', __name__, url_prefix='/api', tag='Session')
Role = Literal['chief', 'instructor', 'student']


class PersonOut(Out):
    """A person of the school."""

    id: int
    name: str
    role: Role
    crosswind_limit_kt: float | None = None
    technique_id: int | None = None


class VersionOut(Out):
    """Which Bullseye this is, by which model it reckons, and what still stands as an older model made it."""

    software: str
    model: str
    laps_to_rework: int
    flights_to_rework: int


class SessionOut(Out):
    """Who is signed in, and what the sign-in page needs to know."""

    person: PersonOut | None
    school: str | None
    csrf_token: str
    needs_set_up: bool
    version: VersionOut
    news: ModelNews | None  # of the model, for a chief instructor who has not read it
    demo_people: list[PersonOut]


class SignIn(In):
    """Login and password."""

    login: Login
    password: Secret


class DemoSignIn(In):
    """A person of the demo school, by one click."""

    person_id: Id


class SetUp(In):
    """The first run of a real school."""

    code: Secret
    school_name: Text
    name: Text
    login: Login
    password: Secret
    with_examples: bool = False


class InvitationIn(In):
    """Whom to invite."""

    name: Text
    role: Role


class InvitationOut(Out):
    """An invitation with the link that is shown once."""

    name: str
    role: Role
    link: str
    days: int


class Token(In):
    """The secret of an invitation link."""

    token: Secret


class WelcomeOut(Out):
    """What an invitation is for."""

    name: str
    role: Role
    school: str


class Join(In):
    """Using an invitation up."""

    token: Secret
    login: Login
    password: Secret


def _failed(response: object) -> bool:
    return getattr(response, 'status_code', 200) in (401, 403, 404, 422)


def _who() -> str:
    body = request.get_json(silent=True)
    return f'login:{str(body.get("login", "")).strip().lower()[:120]}' if isinstance(body, dict) else 'login:'


def _session() -> SessionOut:
    db = database()
    user = person() if current_user.is_authenticated else None
    school = db.get_one(School, user.school_id) if user else None
    untold = user is not None and user.role == 'chief' and school is not None
    empty = user is None and people.needs_set_up(db)
    demo = [] if user or empty else [PersonOut.model_validate(one) for one in people.demo_people(db)]
    old = reworking.Outdated(laps=0, flights=0)
    if user:
        scope.bind(db, user.school_id)
        old = reworking.outdated(db)
    return SessionOut(
        person=PersonOut.model_validate(user) if user else None,
        school=school.name if school else None,
        news=LATEST if untold and school and school.told_model_version != MODEL_VERSION else None,
        csrf_token=generate_csrf(),
        needs_set_up=empty,
        version=VersionOut(
            software=__version__, model=MODEL_VERSION, laps_to_rework=old.laps, flights_to_rework=old.flights
        ),
        demo_people=demo,
    )


def _enter(user: User) -> SessionOut:
    login_user(user, remember=False)
    return _session()


@bp.get('/session')
@bp.output(SessionOut)
def read_session() -> SessionOut:
    """Tell who is signed in."""
    return _session()


@bp.post('/session')
@limiter.limit('10 per minute', deduct_when=_failed)
@limiter.limit('20 per hour', key_func=_who, deduct_when=_failed)
@bp.input(SignIn)
@bp.output(SessionOut)
@bp.doc(responses=[401, 429])
def sign_in(json_data: SignIn) -> SessionOut:
    """Sign in with login and password."""
    return _enter(people.sign_in(database(), login=json_data.login, password=json_data.password))


@bp.post('/session/demo')
@limiter.limit('30 per minute', deduct_when=_failed)
@bp.input(DemoSignIn)
@bp.output(SessionOut)
@bp.doc(responses=[404, 429])
def sign_in_demo(json_data: DemoSignIn) -> SessionOut:
    """Sign in as a person of the demo school."""
    for user in people.demo_people(database()):
        if user.id == json_data.person_id:
            return _enter(user)
    raise NotFound('demo person')


@bp.delete('/session')
@bp.output({}, status_code=204)
def sign_out() -> ResponseReturnValue:
    """Sign out on this device."""
    logout_user()
    return '', 204


@bp.post('/setup')
@limiter.limit('10 per minute', deduct_when=_failed)
@bp.input(SetUp)
@bp.output(SessionOut, status_code=201)
@bp.doc(responses=[403, 429])
def set_up(json_data: SetUp) -> SessionOut:
    """Make the school and its chief instructor; guarded by the one-time code of the terminal."""
    db = database()
    wanted = json_data.model_dump(exclude={'with_examples'})
    chief = people.set_up(db, **wanted)
    school = db.get_one(School, chief.school_id)
    catalogue.add_built_in(db, school)
    if json_data.with_examples:
        add_fleet(db, school)
    db.commit()
    return _enter(chief)


@bp.post('/invitations')
@login_required
@bp.input(InvitationIn)
@bp.output(InvitationOut, status_code=201)
@bp.doc(responses=[401, 403])
def invite(json_data: InvitationIn) -> InvitationOut:
    """Make a link by which one person may join."""
    invitation, token = people.invite(database(), by=person(), name=json_data.name, role=json_data.role)
    return InvitationOut(
        name=invitation.name,
        role=json_data.role,
        link=f'{request.host_url}join#{token}',  # behind #, so that it stays out of server logs
        days=people.INVITATION_DAYS,
    )


@bp.post('/invitations/look')
@limiter.limit('20 per minute', deduct_when=_failed)
@bp.input(Token)
@bp.output(WelcomeOut)
@bp.doc(responses=[404, 429])
def look_at_invitation(json_data: Token) -> WelcomeOut:
    """Tell whom an invitation is for."""
    invitation, school = people.open_invitation(database(), json_data.token)
    return WelcomeOut.model_validate({'name': invitation.name, 'role': invitation.role, 'school': school.name})


@bp.post('/invitations/accept')
@limiter.limit('20 per minute', deduct_when=_failed)
@bp.input(Join)
@bp.output(SessionOut, status_code=201)
@bp.doc(responses=[404, 409, 429])
def join(json_data: Join) -> SessionOut:
    """Join the school an invitation is for."""
    return _enter(people.join(database(), token=json_data.token, login=json_data.login, password=json_data.password))
