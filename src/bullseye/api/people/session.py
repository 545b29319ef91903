"""Signing in and out, the first run, and invitations."""

from __future__ import annotations

import hashlib
import uuid
from typing import Any, Literal, cast

from apiflask import APIBlueprint
from flask import current_app, request
from flask import session as cookie
from flask.typing import ResponseReturnValue
from flask_limiter.util import get_remote_address
from flask_login import current_user, login_required, login_user, logout_user
from flask_wtf.csrf import generate_csrf
from pydantic import AwareDatetime

from bullseye import __version__
from bullseye.api.context import database, person, queue
from bullseye.api.limiter import count_this, limiter
from bullseye.api.schema import Id, In, Login, Out, Secret, Text
from bullseye.core.basis.constants import MODEL_VERSION
from bullseye.core.model.news import LATEST, ModelNews
from bullseye.demo.examples import add_fleet
from bullseye.store import scope
from bullseye.store.equipment import catalogue
from bullseye.store.errors import NotFound
from bullseye.store.flying import reworking
from bullseye.store.people import accounts, joining, secondfactor, signins
from bullseye.store.rows.people import School, User
from bullseye.words import language
from bullseye.words.language import Language

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
    must_set_second_factor: bool  # before anything else
    language: Language  # that is spoken: the person's own choice, else what the device asks for
    language_chosen: Language | None
    sends_links: bool  # by mail, to whoever has forgotten a password


class SignIn(In):
    """Login and password; a code beside them for those who have a second factor."""

    login: Login
    password: Secret
    code: Secret | None = None


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


def _who() -> str:
    """Login and address together: nobody locks somebody else out from elsewhere."""
    body = request.get_json(silent=True)
    login = str(body.get('login', '')).strip().lower()[:120] if isinstance(body, dict) else ''
    # by its digest: it may hold what no database takes, and an address is nobody's business in a table of counts
    return f'login:{hashlib.sha256(login.encode("utf-8", "replace")).hexdigest()}|{get_remote_address()}'


def _session() -> SessionOut:
    db = database()
    user = person() if current_user.is_authenticated else None
    school = db.get_one(School, user.school_id) if user else None
    untold = user is not None and user.role == 'chief' and school is not None
    empty = user is None and joining.needs_set_up(db)
    demo = [] if user or empty else [PersonOut.model_validate(one) for one in joining.demo_people(db)]
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
        must_set_second_factor=bool(
            user and school and secondfactor.is_asked_of(school, user) and not secondfactor.is_on(user)
        ),
        language=cast(Language, language.spoken()),
        language_chosen=cast(Language | None, user.language) if user else None,
        sends_links=current_app.config['SENDS_MAIL'],
    )


def _enter(user: User) -> SessionOut:
    cookie.clear()  # nothing of whoever was here before
    signins.begin(database(), user, device=_device())
    login_user(user, remember=False)
    return _session()


def _device() -> str:
    """What a device says it is, in a few words that a person recognises it by."""
    agent = request.user_agent.string
    system = next((name for name in ('iPad', 'iPhone', 'Android', 'Windows', 'Mac OS', 'Linux') if name in agent), '')
    browser = next((name for name in ('Firefox', 'Edg', 'Chrome', 'Safari') if name in agent), '')
    return ', '.join(one for one in (browser.replace('Edg', 'Edge'), system) if one) or 'a device that says nothing'


@bp.get('/session')
@bp.output(SessionOut)
def read_session() -> SessionOut:
    """Tell who is signed in."""
    return _session()


@bp.post('/session')
@limiter.limit('60 per minute')  # an address is a whole school behind its router
@limiter.limit('6 per minute; 20 per hour', key_func=_who)
@bp.input(SignIn)
@bp.output(SessionOut)
@bp.doc(responses=[401, 429])
def sign_in(json_data: SignIn) -> SessionOut:
    """Sign in with login and password."""
    db = database()
    user = joining.sign_in(db, login=json_data.login, password=json_data.password)
    secondfactor.require(db, user, code=json_data.code, key=str(current_app.config['SECRET_KEY']))
    return _enter(user)


@bp.post('/session/demo')
@limiter.limit('30 per minute')
@bp.input(DemoSignIn)
@bp.output(SessionOut)
@bp.doc(responses=[404, 429])
def sign_in_demo(json_data: DemoSignIn) -> SessionOut:
    """Sign in as a person of the demo school."""
    for user in joining.demo_people(database()):
        if user.id == json_data.person_id:
            return _enter(user)
    raise NotFound('demo person')


@bp.delete('/session')
@bp.output({}, status_code=204)
def sign_out() -> ResponseReturnValue:
    """Sign out on this device."""
    if current_user.is_authenticated and current_user.sign_in_id is not None:
        signins.end(database(), person(), current_user.sign_in_id)  # the cookie is worth nothing any more
    logout_user()
    cookie.clear()
    return '', 204


class SignInOut(Out):
    """Where somebody is signed in."""

    id: uuid.UUID
    device: str
    begun_at: AwareDatetime
    seen_at: AwareDatetime
    is_this: bool


class SignInsOut(Out):
    """Where a person is signed in now, latest seen first."""

    sign_ins: list[SignInOut]


@bp.get('/sign-ins')
@login_required
@bp.output(SignInsOut)
@bp.doc(responses=[401])
def list_sign_ins() -> dict[str, Any]:
    """List where one is signed in."""
    rows = signins.of_person(database(), person())
    names = ('id', 'device', 'begun_at', 'seen_at')
    return {
        'sign_ins': [
            {**{name: getattr(row, name) for name in names}, 'is_this': row.id == person().sign_in_id} for row in rows
        ]
    }


@bp.delete('/sign-ins/<uuid:sign_in_id>')
@login_required
@bp.output({}, status_code=204)
@bp.doc(responses=[401, 404])
def end_sign_in(sign_in_id: uuid.UUID) -> ResponseReturnValue:
    """Sign out on another device of one's own."""
    signins.end(database(), person(), sign_in_id)
    return '', 204


@bp.delete('/sign-ins')
@login_required
@bp.output({}, status_code=204)
@bp.doc(responses=[401])
def end_other_sign_ins() -> ResponseReturnValue:
    """Sign out on all other devices."""
    db = database()
    signins.end_all(db, person(), but=person().sign_in_id)
    db.commit()
    return '', 204


class PasswordIn(In):
    """One's old password, and the new one."""

    old: Secret
    password: Secret


@bp.put('/password')
@limiter.limit('10 per minute')
@login_required
@bp.input(PasswordIn)
@bp.output({}, status_code=204)
@bp.doc(responses=[401, 403, 422, 429])
def change_password(json_data: PasswordIn) -> ResponseReturnValue:
    """Change one's own password; all other devices are signed out."""
    accounts.change_password(database(), person(), old=json_data.old, new=json_data.password)
    return '', 204


class LanguageIn(In):
    """The language that somebody wants to be spoken to in; none: the one that their device asks for."""

    language: Language | None


@bp.put('/language')
@login_required
@bp.input(LanguageIn)
@bp.output(SessionOut)
@bp.doc(responses=[401])
def choose_language(json_data: LanguageIn) -> SessionOut:
    """Choose one's own language, on every device that one signs in on."""
    accounts.choose_language(database(), person(), json_data.language)
    language.speak(json_data.language or language.best_of(request.accept_languages.values()))
    return _session()


class Forgotten(In):
    """The login whose password is forgotten."""

    login: Login


@bp.post('/password/forgotten')
@limiter.limit('20 per hour')
@limiter.limit('3 per hour', key_func=_who)
@bp.input(Forgotten)
@bp.output({}, status_code=202)
@bp.doc(responses=[404, 429])
def forgotten(json_data: Forgotten) -> ResponseReturnValue:
    """Send a link for a new password to a login that is a mail address; whether anybody has it is not told."""
    if not current_app.config['SENDS_MAIL']:
        raise NotFound('mail server')
    count_this()
    queue().mail_link(json_data.login, f'{request.host_url}reset')
    return '', 202


class NewPassword(In):
    """The secret of a link, and the password that it sets; a login for somebody who never had one here."""

    token: Secret
    password: Secret
    login: Login | None = None


class ResetWelcome(Out):
    """Whose password a link sets."""

    name: str
    school: str
    needs_login: bool


@bp.post('/password/look')
@limiter.limit('20 per minute')
@bp.input(Token)
@bp.output(ResetWelcome)
@bp.doc(responses=[404, 429])
def look_at_reset(json_data: Token) -> ResetWelcome:
    """Tell whose password a link sets."""
    db = database()
    invitation, school = joining.open_invitation(db, json_data.token, for_person=True)
    user = db.get_one(User, invitation.person_id)
    return ResetWelcome(name=user.name, school=school.name, needs_login=not user.is_active)


@bp.post('/password/set')
@limiter.limit('20 per minute')
@bp.input(NewPassword)
@bp.output(SessionOut)
@bp.doc(responses=[404, 409, 422, 429])
def set_password(json_data: NewPassword) -> SessionOut:
    """Set a password by a link, once, and sign in."""
    given, db = json_data, database()
    user = accounts.set_password(db, token=given.token, login=given.login, password=given.password)
    if secondfactor.is_on(user):  # the link stands for the password alone
        return _session()
    return _enter(user)


@bp.post('/setup')
@limiter.limit('10 per minute')
@bp.input(SetUp)
@bp.output(SessionOut, status_code=201)
@bp.doc(responses=[403, 429])
def set_up(json_data: SetUp) -> SessionOut:
    """Make the school and its chief instructor; guarded by the one-time code of the terminal."""
    db = database()
    wanted = json_data.model_dump(exclude={'with_examples'})
    chief = joining.set_up(db, **wanted)
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
    invitation, token = joining.invite(database(), by=person(), name=json_data.name, role=json_data.role)
    return InvitationOut(
        name=invitation.name,
        role=json_data.role,
        link=f'{request.host_url}join#{token}',  # behind #, so that it stays out of server logs
        days=joining.INVITATION_DAYS,
    )


@bp.post('/invitations/look')
@limiter.limit('20 per minute')
@bp.input(Token)
@bp.output(WelcomeOut)
@bp.doc(responses=[404, 429])
def look_at_invitation(json_data: Token) -> WelcomeOut:
    """Tell whom an invitation is for."""
    invitation, school = joining.open_invitation(database(), json_data.token)
    return WelcomeOut.model_validate({'name': invitation.name, 'role': invitation.role, 'school': school.name})


@bp.post('/invitations/accept')
@limiter.limit('20 per minute')
@bp.input(Join)
@bp.output(SessionOut, status_code=201)
@bp.doc(responses=[404, 409, 429])
def join(json_data: Join) -> SessionOut:
    """Join the school an invitation is for."""
    return _enter(joining.join(database(), token=json_data.token, login=json_data.login, password=json_data.password))
