"""How good a password must be."""

from __future__ import annotations

import re

from zxcvbn import zxcvbn  # type: ignore[import-untyped]

from bullseye.core.basis.errors import InvalidInput

PASSWORD_LENGTH = (10, 200)
_LEAST_SCORE = 2  # [pub: zxcvbn's scale: 2 is somewhat guessable, safe where tries are counted]


def require_good_password(password: str, *about: str) -> None:
    """Refuse a password that is too short, or guessed too soon.

    :param about: what somebody who knows the person would try: name, login, school
    :raises InvalidInput: saying what is wrong with it, without repeating it
    """
    low, high = PASSWORD_LENGTH
    if not low <= len(password) <= high:
        raise InvalidInput('password', f'{len(password)} characters', f'{low} to {high} characters')
    known = [word for one in about for word in (one, one.replace(' ', ''), *re.split(r'[^\w]+', one)) if word]
    found = zxcvbn(password[:72], user_inputs=known)
    if found['score'] < _LEAST_SCORE:
        why = found['feedback']['warning'] or 'it is guessed too soon'
        raise InvalidInput('password', 'too easy', f'one that is harder to guess ({why.rstrip(".")}); several words do')
