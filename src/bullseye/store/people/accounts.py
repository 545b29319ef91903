"""Accounts over the years: passwords changed and set anew, people renamed, promoted, leaving and coming back."""

from __future__ import annotations

import secrets
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta

from sqlalchemy import Select, func, select
from sqlalchemy.orm import Session

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.unknown import known_or
from bullseye.store import scope
from bullseye.store.errors import Conflict, NotAllowed, NotFound
from bullseye.store.people import deeds, joining, signins
from bullseye.store.people.passwords import require_good_password
from bullseye.store.rows.people import Invitation, School, User

HOURS = 48  # [own] that a link to set a password holds
_ROLES = ('chief', 'instructor', 'student')


def change_password(db: Session, person: User, *, old: str, new: str) -> None:
    """Change one's own password; every other device is signed out.

    :raises NotAllowed: when the old one is wrong
    """
    if not joining.is_password_of(person, old):
        raise NotAllowed('the old password is wrong; nothing was changed')
    require_good_password(new, person.name, person.login)
    person.password_hash = joining.hash_of(new)
    signins.end_all(db, person, but=person.sign_in_id)
    deeds.note(db, person, 'people', 'Changed their password.')
    db.commit()


def choose_language(db: Session, person: User, language: str | None) -> None:
    """Choose the language that one is spoken to in; None: the one that each device asks for."""
    person.language = language
    db.commit()


def _find(db: Session, person_id: int) -> User:
    """Somebody whose account may be changed.

    :raises NotFound: when the school has nobody of that number
    :raises Conflict: for somebody who is erased
    """
    found = db.get(User, person_id, with_for_update=True) if 0 < person_id < 2**31 else None
    if found is None:
        raise NotFound('person')
    if found.erased_at is not None:
        raise Conflict('this person is erased and does not come back')
    return found


def withdraw_links(db: Session, person: User) -> None:
    """Let no link of a person work any longer, nor one that they made and would not be allowed to make now."""
    now = datetime.now(UTC)
    may = joining.MAY_INVITE[person.role] if person.is_active else ()
    for row in db.scalars(_open(person)):
        is_made = row.issued_by == person.id
        if row.person_id == person.id or (is_made and row.role not in may):
            row.withdrawn_at = now


def reset_link(db: Session, person_id: int, *, by: User) -> str:
    """Make the secret of a link by which somebody sets their password anew, once; an earlier one stops working.

    :raises NotAllowed: for anybody but the chief, or an instructor for a student
    :raises Conflict: for somebody who has left
    """
    person = _find(db, person_id)
    if by.role != 'chief' and not (by.role == 'instructor' and person.role == 'student'):
        raise NotAllowed('only the chief instructor makes this link; for students their instructors too')
    if not person.is_active and not person.password_hash.startswith('!'):
        raise Conflict('this person has left; bring them back first')
    token = _new_link(db, person, by=by)
    signins.end_all(db, person)
    deeds.note(db, by, 'people', f'Made a link by which {person.name} sets their password anew.')
    db.commit()
    return token


@dataclass(frozen=True)
class Forgotten:
    """Whom a letter with a link goes to; the token is in the letter alone."""

    login: str
    name: str
    school: str
    token: str
    language: str | None


def forgotten_link(db: Session, login: str) -> Forgotten | None:
    """A link for whoever has forgotten the password of a login; None where nobody has it. The caller commits."""
    with scope.every_school(db):
        person = db.scalar(select(User).where(User.login == login.strip().lower(), User.is_active))
        school = db.get(School, person.school_id) if person else None
    if person is None or school is None:
        return None
    scope.bind(db, school.id)
    token = _new_link(db, person)
    deeds.note(db, person, 'people', f'Asked for a link by mail, by which {person.name} sets their password anew.')
    return Forgotten(login=person.login, name=person.name, school=school.name, token=token, language=person.language)


def _new_link(db: Session, person: User, *, by: User | None = None) -> str:
    """The secret of a new link; an earlier one stops working."""
    now = datetime.now(UTC)
    for row in db.scalars(_open(person).where(Invitation.person_id == person.id)):
        row.withdrawn_at = now
    token = secrets.token_urlsafe(24)
    db.add(
        Invitation(
            school_id=person.school_id,
            token_hash=joining.digest(token),
            name=person.name,
            role=person.role,
            person_id=person.id,
            issued_by=None if by is None else by.id,
            expires_at=now + timedelta(hours=HOURS),
        )
    )
    return token


def set_password(db: Session, *, token: str, login: str | None, password: str) -> User:
    """Set a password by a link, once; every device of the person is signed out.

    :param login: a new one, for somebody of an archive who never had one here
    :raises NotFound: when the link never was, was used, withdrawn, or has run out
    """
    invitation, school = joining.open_invitation(db, token, lock=True, for_person=True)
    scope.bind(db, school.id)
    person = _find(db, known_or(invitation.person_id, 0))
    if invitation.role != person.role or not joining.may_still_invite(db, invitation):
        raise NotFound('invitation')  # made for another role, or by somebody who may not make it any more
    require_good_password(password, person.name, person.login, school.name)
    if login and not person.is_active and person.password_hash.startswith('!'):
        person.login = joining.free_login(db, login, but=person.id)
        person.is_active = True
    person.password_hash = joining.hash_of(password)
    person.session_epoch += 1
    signins.end_all(db, person)
    invitation.used_at = datetime.now(UTC)
    deeds.note(db, person, 'people', 'Set their password by a link.')
    db.commit()
    return person


def change_person(
    db: Session, person_id: int, *, by: User, name: str | None, role: str | None, is_active: bool | None
) -> User:
    """Rename somebody, give them another role, let them leave or come back.

    :raises NotAllowed: for anybody but the chief
    :raises Conflict: when the school would be left without a chief
    """
    if by.role != 'chief':
        raise NotAllowed('only the chief instructor changes people')
    db.get_one(School, by.school_id, with_for_update=True)  # one after the other: two chiefs cannot demote each other
    person = _find(db, person_id)
    if role is not None and role not in _ROLES:
        raise InvalidInput('role', role, ', '.join(_ROLES))
    stays_chief = (role or person.role) == 'chief' and (person.is_active if is_active is None else is_active)
    if person.role == 'chief' and person.is_active and not stays_chief:
        others = select(func.count()).where(User.role == 'chief', User.is_active, User.id != person.id)
        if not db.scalar(others.select_from(User)):
            raise Conflict('the school needs a chief instructor: make somebody else one first')
    said = []
    if name is not None and name.strip() and name.strip() != person.name:
        said.append(f'Renamed {person.name} to {name.strip()}.')
        person.former_names = [*person.former_names, person.name]
        person.name = name.strip()
    if role is not None and role != person.role:
        said.append(f'Made {person.name} {role}, who was {person.role}.')
        person.role = role
        person.session_epoch += 1
    if is_active is not None and is_active != person.is_active:
        said.append(f'{person.name} {"came back" if is_active else "left the school"}.')
        person.is_active = is_active
        person.session_epoch += 1
    if said:
        db.flush()
        withdraw_links(db, person)
        signins.end_all(db, person, but=by.sign_in_id if person.id == by.id else None)
    for words in said:
        deeds.note(db, by, 'people', words)
    db.commit()
    return person


def left(db: Session, *, by: User) -> Sequence[User]:
    """Who has left the school, or came with an archive and has no password yet; by name.

    :raises NotAllowed: for anybody but the chief
    """
    if by.role != 'chief':
        raise NotAllowed('only the chief instructor may do this')
    query = select(User).where(User.school_id == by.school_id, ~User.is_active, User.erased_at.is_(None))
    return db.scalars(query.order_by(User.name).limit(500)).all()


def _open(by: User) -> Select[Invitation]:
    return select(Invitation).where(
        Invitation.school_id == by.school_id,
        Invitation.used_at.is_(None),
        Invitation.withdrawn_at.is_(None),
        Invitation.expires_at > func.now(),
    )


def open_invitations(db: Session, *, by: User) -> Sequence[Invitation]:
    """Invitations and links that still work, for those who teach; latest first.

    :raises NotAllowed: for a student
    """
    if by.role == 'student':
        raise NotAllowed('only those who teach may do this')
    return db.scalars(_open(by).order_by(Invitation.id.desc()).limit(100)).all()


def withdraw(db: Session, invitation_id: int, *, by: User) -> None:
    """Let an invitation or a link work no longer.

    :raises NotAllowed: for a student, or an instructor who did not have the right to make it
    """
    if by.role == 'student':
        raise NotAllowed('only those who teach may do this')
    row = db.get(Invitation, invitation_id) if 0 < invitation_id < 2**31 else None
    if row is None:
        raise NotFound('invitation')
    if by.role != 'chief' and row.role != 'student':
        raise NotAllowed('only the chief instructor withdraws this one')
    row.withdrawn_at = row.withdrawn_at or datetime.now(UTC)
    deeds.note(db, by, 'people', f'Withdrew the link for {row.name}.')
    db.commit()
