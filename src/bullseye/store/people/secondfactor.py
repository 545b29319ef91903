"""A second factor beside the password: codes of an authenticator app, and codes on paper for when it is lost.

The app's secret is kept encrypted by a key that is not in the database; of the codes on paper only digests are kept,
and each works once. A code of the app works once too, within half a minute to either side of its time.

Source: [pub: RFC 6238], by pyotp.
"""

from __future__ import annotations

import base64
import secrets
from datetime import UTC, datetime
from typing import Literal

import pyotp
from cryptography.fernet import Fernet, InvalidToken
from cryptography.hazmat.primitives import hashes
from cryptography.hazmat.primitives.kdf.hkdf import HKDF
from sqlalchemy.orm import Session

from bullseye.core.basis.errors import BullseyeError
from bullseye.core.basis.unknown import known_or
from bullseye.store.errors import Conflict, NotAllowed, NotFound
from bullseye.store.people import deeds, joining, signins
from bullseye.store.rows.people import School, User

Whom = Literal['nobody', 'teachers', 'everybody']
_STEP_S = 30
_EITHER_SIDE = 1  # steps by which a telephone's clock may be off
_CODES = 10
_LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789'  # none that look alike on paper


class SecondFactorNeeded(BullseyeError):
    """The password is right, and a code is needed beside it."""

    code = 'second_factor'


def _box(key: str) -> Fernet:
    derived = HKDF(algorithm=hashes.SHA256(), length=32, salt=None, info=b'second factor').derive(key.encode())
    return Fernet(base64.urlsafe_b64encode(derived))


def is_on(person: User) -> bool:
    """Whether a person signs in with one."""
    return person.totp_secret is not None


def is_asked_of(school: School, person: User) -> bool:
    """Whether the school wants one of this person."""
    return school.second_factor == 'everybody' or (school.second_factor == 'teachers' and person.role != 'student')


def begin(db: Session, person: User, *, password: str, key: str) -> tuple[str, str]:
    """Make a secret for an authenticator app: the secret, and the address that a QR code carries.

    It counts from the first right code on.

    :raises NotAllowed: when the password is wrong
    """
    if not joining.is_password_of(person, password):
        raise NotAllowed('the password is wrong')
    secret = pyotp.random_base32()
    person.totp_pending = _box(key).encrypt(secret.encode()).decode()
    db.commit()
    return secret, pyotp.TOTP(secret).provisioning_uri(name=person.login, issuer_name='Bullseye')


def confirm(db: Session, person: User, *, code: str, key: str) -> list[str]:
    """Turn it on by a first right code; the codes to print, which are shown this once. Other devices are signed out.

    :raises Conflict: when none was begun
    :raises NotAllowed: when the code is wrong
    """
    if person.totp_pending is None:
        raise Conflict('begin first: let the app read the square')
    step = _step_of(_open(person.totp_pending, key), code)
    if step is None:
        raise NotAllowed('this code is wrong; take the one that the app shows now')
    written = ['-'.join(''.join(secrets.choice(_LETTERS) for _ in range(4)) for _ in range(3)) for _ in range(_CODES)]
    person.totp_secret, person.totp_pending, person.totp_step = person.totp_pending, None, step
    person.recovery_codes = [joining.digest(one) for one in written]
    signins.end_all(db, person, but=person.sign_in_id)
    deeds.note(db, person, 'people', 'Turned the second factor of their sign-in on.')
    db.commit()
    return written


def turn_off(db: Session, person: User, *, password: str) -> None:
    """Sign in by the password alone again.

    :raises NotAllowed: when the password is wrong
    :raises Conflict: when the school asks for it
    """
    if not joining.is_password_of(person, password):
        raise NotAllowed('the password is wrong')
    if is_asked_of(db.get_one(School, person.school_id), person):
        raise Conflict('the school asks for a second factor of you; the chief instructor can change that')
    _clear(person)
    deeds.note(db, person, 'people', 'Turned the second factor of their sign-in off.')
    db.commit()


def take_from(db: Session, person_id: int, *, by: User, password: str) -> None:
    """Take the second factor from somebody who has lost app and paper; they are signed out everywhere.

    :raises NotAllowed: for anybody but the chief, or when the chief's own password is wrong
    """
    if by.role != 'chief':
        raise NotAllowed('only the chief instructor does this')
    if not joining.is_password_of(by, password):
        raise NotAllowed('the password is wrong')
    person = db.get(User, person_id, with_for_update=True) if 0 < person_id < 2**31 else None
    if person is None:
        raise NotFound('person')
    _clear(person)
    signins.end_all(db, person)
    deeds.note(db, by, 'people', f'Took the second factor from {person.name}.')
    db.commit()


def _clear(person: User) -> None:
    person.totp_secret = person.totp_pending = person.totp_step = None
    person.recovery_codes = []


def require(db: Session, person: User, *, code: str | None, key: str) -> None:
    """Let a person with a second factor in only with a right code, which then works no more. The caller commits.

    :raises SecondFactorNeeded: when none is given, or a wrong one
    """
    if not is_on(person):
        return
    if not code:
        raise SecondFactorNeeded('Give the six figures that your authenticator app shows, or a code from your paper.')
    # one after the other: the same code cannot let two in
    db.refresh(person, with_for_update=True)
    step = _step_of(_open(person.totp_secret or '', key), code)
    if step is not None and step > known_or(person.totp_step, 0):
        person.totp_step = step
        return
    spent = joining.digest(code.strip().lower())
    if spent in (person.recovery_codes or []):
        person.recovery_codes = [one for one in person.recovery_codes if one != spent]
        left = len(person.recovery_codes)
        deeds.note(db, person, 'people', f'Signed in with a code from paper; {left} are left.')
        return
    raise SecondFactorNeeded('This code is wrong or was used already. Take the one that the app shows now.')


def _open(kept: str, key: str) -> str:
    try:
        return _box(key).decrypt(kept.encode()).decode()
    except InvalidToken:
        # the key of this server is another one: no code can be right, and the chief can take the factor away
        return ''


def _step_of(secret: str, code: str) -> int | None:
    """The step of time that a code is of; None of a wrong one."""
    digits = code.replace(' ', '')
    if not secret or len(digits) != 6 or not digits.isdigit() or not digits.isascii():
        return None
    now = int(datetime.now(UTC).timestamp()) // _STEP_S
    one = pyotp.TOTP(secret)
    for step in range(now - _EITHER_SIDE, now + _EITHER_SIDE + 1):
        if secrets.compare_digest(one.at(step * _STEP_S), digits):
            return step
    return None
