"""People: signing in, joining by invitation, and setting up a school."""

from __future__ import annotations

import hashlib
import secrets
from collections.abc import Mapping, Sequence
from datetime import UTC, datetime, timedelta
from functools import cache
from typing import Any

from argon2 import PasswordHasher
from argon2.exceptions import InvalidHashError, VerificationError
from sqlalchemy import func, select
from sqlalchemy.orm import Session

from bullseye.core.basis.errors import InvalidInput
from bullseye.store import scope
from bullseye.store.errors import Conflict, NotAllowed, NotFound, WrongLogin
from bullseye.store.people import deeds
from bullseye.store.people.passwords import require_good_password
from bullseye.store.rows.installation import Installation
from bullseye.store.rows.people import Invitation, School, User

_HASHER = PasswordHasher()
MAY_INVITE = {'chief': ('chief', 'instructor', 'student'), 'instructor': ('student',), 'student': ()}
INVITATION_DAYS = 7


@cache
def _nobody() -> str:
    """What an unknown login is verified against, so that it takes as long as a known one."""
    return _HASHER.hash(secrets.token_urlsafe())


def digest(secret: str) -> str:
    """What is kept of a long random secret, which needs no slow hash."""
    return hashlib.sha256(secret.encode()).hexdigest()


def sign_in(db: Session, *, login: str, password: str) -> User:
    """Find the person whose login and password these are; binds the school.

    :raises WrongLogin: for any mismatch
    """
    scope.see_every_school(db)
    person = db.scalar(select(User).where(User.login == login.strip().lower(), User.is_active))
    nobody = _nobody()  # made whoever asks: the first unknown login must not take longer either
    try:
        _HASHER.verify(person.password_hash if person else nobody, password)
    except (VerificationError, InvalidHashError):
        person = None
    if person is None:
        raise WrongLogin('Login or password is wrong.')
    scope.bind(db, person.school_id)
    if _HASHER.check_needs_rehash(person.password_hash):
        person.password_hash = _HASHER.hash(password)
        db.commit()
    return person


def is_password_of(person: User, password: str) -> bool:
    """Whether this is a person's password, for what is signed with it."""
    try:
        return _HASHER.verify(person.password_hash, password)
    except (VerificationError, InvalidHashError):
        return False


def hash_of(password: str) -> str:
    """What is kept of a password; it takes a quarter of a second on purpose."""
    return _HASHER.hash(password)


def add(
    db: Session, *, school: School, login: str, name: str, role: str, password: str, password_hash: str | None = None
) -> User:
    """Add a person to a school.

    :param password_hash: of this password, when it is there already

    :raises InvalidInput: for a login or password that will not do
    :raises Conflict: when the login is taken
    """
    login = free_login(db, login)
    if password_hash is None:
        require_good_password(password, name, login, school.name)
    if not name.strip():
        raise InvalidInput('name', name, 'a name')
    scope.bind(db, school.id)
    password_hash = password_hash or hash_of(password)
    person = User(school_id=school.id, login=login, name=name.strip(), role=role, password_hash=password_hash)
    db.add(person)
    db.flush()
    return person


def free_login(db: Session, login: str, *, but: int | None = None) -> str:
    """A login as it is kept, when nobody of any school has it; the session stays bound as it was.

    :raises InvalidInput: for one that will not do
    :raises Conflict: when it is taken
    """
    login = login.strip().lower()
    if not 3 <= len(login) <= 120 or any(c.isspace() for c in login) or login.startswith('erased.'):
        raise InvalidInput('login', login, '3 to 120 characters without spaces')
    if is_login_taken(db, login, but=but):
        raise Conflict('this login cannot be had; choose another')
    return login


def is_login_taken(db: Session, login: str, *, but: int | None = None) -> bool:
    """Whether anybody of any school has a login; the session stays bound to its own."""
    with scope.every_school(db):
        other = db.scalar(select(User.id).where(User.login == login))
    return other is not None and other != but


def everyone(db: Session, *, left_too: bool = False) -> Sequence[User]:
    """People of the bound school by name."""
    query = select(User).order_by(User.name)
    return db.scalars(query if left_too else query.where(User.is_active)).all()


def demo_people(db: Session) -> Sequence[User]:
    """People of the demo school; empty on a real installation."""
    scope.see_every_school(db)
    query = select(User).join(School, School.id == User.school_id).where(School.is_demo, User.is_active)
    return db.scalars(query.order_by(User.id)).all()


def invite(db: Session, *, by: User, name: str, role: str) -> tuple[Invitation, str]:
    """Make an invitation; the secret is returned once and only its digest kept.

    :raises NotAllowed: when the inviting person may not invite that role
    """
    if role not in MAY_INVITE[by.role]:
        raise NotAllowed(f'{by.role} may not invite {role}')
    token = secrets.token_urlsafe(24)
    invitation = Invitation(
        school_id=by.school_id,
        token_hash=digest(token),
        name=name.strip(),
        role=role,
        issued_by=by.id,
        expires_at=datetime.now(UTC) + timedelta(days=INVITATION_DAYS),
    )
    db.add(invitation)
    deeds.note(db, by, 'people', f'Invited {name.strip()} as {role}.')
    db.commit()
    return invitation, token


def open_invitation(
    db: Session, token: str, *, lock: bool = False, for_person: bool = False
) -> tuple[Invitation, School]:
    """Invitation a link carries, with its school.

    :param for_person: a link by which somebody sets their password anew, else one by which somebody joins
    :raises NotFound: when it never was, was used, withdrawn, or has run out
    """
    scope.see_every_school(db)
    query = select(Invitation).where(
        Invitation.token_hash == digest(token),
        Invitation.used_at.is_(None),
        Invitation.withdrawn_at.is_(None),
        Invitation.expires_at > func.now(),
        Invitation.person_id.is_not(None) if for_person else Invitation.person_id.is_(None),
    )
    invitation = db.scalar(query.with_for_update() if lock else query)
    if invitation is None:
        raise NotFound('invitation')
    school = db.get_one(School, invitation.school_id)
    return invitation, school


def may_still_invite(db: Session, invitation: Invitation) -> bool:
    """Whether who made a link is still there and may still make it; one asked for by mail stands for itself."""
    if invitation.issued_by is None:
        return True
    by = db.get(User, invitation.issued_by)
    return by is not None and by.is_active and invitation.role in MAY_INVITE[by.role]


def join(db: Session, *, token: str, login: str, password: str) -> User:
    """Use an invitation up and become a person of its school."""
    invitation, school = open_invitation(db, token, lock=True)
    if not may_still_invite(db, invitation):
        raise NotFound('invitation')
    person = add(db, school=school, login=login, name=invitation.name, role=invitation.role, password=password)
    invitation.used_at = datetime.now(UTC)
    db.commit()
    return person


def needs_set_up(db: Session) -> bool:
    """Whether this database has no school yet."""
    with scope.every_school(db):
        return db.scalar(select(func.count()).select_from(School)) == 0


def new_setup_code(db: Session) -> str:
    """Make the one-time code that guards the first-run page; an earlier one stops working."""
    code = '-'.join(secrets.token_hex(2).upper() for _ in range(4))
    row = db.get(Installation, 1) or Installation(id=1)
    row.setup_code_hash = digest(code)
    db.add(row)
    db.commit()
    return code


def set_up(db: Session, *, code: str, school_name: str, name: str, login: str, password: str) -> User:
    """Make the school and its chief instructor, once.

    :raises NotAllowed: when a school exists already or the code is wrong
    """
    row = db.get(Installation, 1, with_for_update=True)
    if not needs_set_up(db) or row is None or row.setup_code_hash is None:
        raise NotAllowed('this installation is set up already')
    if not secrets.compare_digest(row.setup_code_hash, digest(code.strip().upper())):
        raise InvalidInput('code', 'given', 'the one-time code printed in the terminal')
    if not school_name.strip():
        raise InvalidInput('school_name', school_name, 'a name')
    scope.see_every_school(db)
    school = School(name=school_name.strip())
    db.add(school)
    db.flush()
    chief = add(db, school=school, login=login, name=name, role='chief', password=password)
    row.setup_code_hash = None
    return chief


def school_of(db: Session, by: User) -> School:
    """The school of a person."""
    return db.get_one(School, by.school_id)


# What a school sets, as the log of who did what says it
_SET_WORDS = {
    'crosswind_limit_kt': 'the crosswind limit of the school (kt)',
    'aim_step_ft': 'how far one lap may move the aim point (ft)',
    'least_ceiling_ft': 'the least ceiling for the pattern (ft)',
    'least_visibility_m': 'the least visibility for the pattern (m)',
    'needed_chance': 'the chance of a landing within limits that counts as at standard',
    'stale_days': 'the days after which an exercise is flown again',
    'currency_rules': 'the rules of recent experience',
    'second_factor': 'of whom a second factor is asked',
    'told_model_version': 'the model of which the chief has read what it changes',
}


def _said(value: object) -> str:
    if value is None or value == []:
        return 'none'
    if isinstance(value, list):
        return ', '.join(str(one).replace('_', ' ') for one in value)
    return f'{value:g}' if isinstance(value, float) else str(value)


def change_school(db: Session, *, by: User, changes: Mapping[str, Any]) -> School:
    """Set what holds for all sorties of the school.

    :raises NotAllowed: for anybody but the chief instructor
    """
    if by.role != 'chief':
        raise NotAllowed('only the chief instructor sets this')
    school = db.get_one(School, by.school_id, with_for_update=True)
    for name, value in changes.items():
        if getattr(school, name) != value:
            deeds.note(
                db, by, 'limits', f'Set {_SET_WORDS[name]} from {_said(getattr(school, name))} to {_said(value)}.'
            )
        setattr(school, name, value)
    db.commit()
    return school


def set_crosswind_limit(db: Session, *, by: User, person_id: int, limit_kt: float | None) -> User:
    """Set a person's own crosswind limit.

    :raises NotAllowed: for a student, and for anybody's but a student's when the chief does not ask
    :raises NotFound: when the school has no such person
    """
    if by.role == 'student':
        raise NotAllowed('only instructors set limits')
    found = db.get(User, person_id, with_for_update=True) if 0 < person_id < 2**31 else None
    if found is None:
        raise NotFound('person')
    if found.role != 'student' and by.role != 'chief':
        raise NotAllowed('only the chief instructor sets the limit of somebody who teaches')
    before, after = (_said(one) for one in (found.crosswind_limit_kt, limit_kt))
    words = f'Set the crosswind limit of {found.name} (kt) from {before} to {after}.'
    deeds.note(db, by, 'limits', words)
    found.crosswind_limit_kt = limit_kt
    db.commit()
    return found
