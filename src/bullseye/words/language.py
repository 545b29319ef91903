"""Which language is spoken: that of whoever asks, for as long as they are being answered."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Iterator, Mapping
from contextlib import contextmanager
from contextvars import ContextVar
from dataclasses import dataclass
from functools import cache, lru_cache, wraps
from typing import Literal, ParamSpec, TypeVar

from babel import Locale, negotiate_locale
from babel.numbers import get_decimal_symbol, get_group_symbol

ENGLISH = 'en'
Language = Literal['en', 'de']
# by the name of the folder of its files: how its numbers and dates are written
LOCALES: Mapping[str, str] = {ENGLISH: 'en-GB', 'de': 'de-DE'}
_spoken: ContextVar[str] = ContextVar('language', default=ENGLISH)
_Given = ParamSpec('_Given')
_Answer = TypeVar('_Answer')


def spoken() -> str:
    """The language that is spoken now."""
    return _spoken.get()


def speak(language: str) -> None:
    """Speak a language from now on, in this thread.

    :raises ValueError: for one that there are no texts of
    """
    if language not in LOCALES:
        raise ValueError(f'{language} is none of {", ".join(LOCALES)}')
    _spoken.set(language)


def best_of(wanted: Iterable[str]) -> str:
    """The first language of those wanted (``de-AT``, ``fr``) that there are texts of; English where there is none."""
    return negotiate_locale(list(wanted), list(LOCALES), sep='-') or ENGLISH


@contextmanager
def speaking(language: str) -> Iterator[None]:
    """Speak a language for a while.

    :raises ValueError: for one that there are no texts of
    """
    before = spoken()
    speak(language)
    try:
        yield
    finally:
        _spoken.set(before)


@dataclass(frozen=True, slots=True)
class _Signs:
    """What stands between the figures of a number."""

    group: str
    decimal: str


@cache
def _signs(language: str) -> _Signs:
    locale = Locale.parse(LOCALES[language], sep='-')
    return _Signs(get_group_symbol(locale), get_decimal_symbol(locale))


def number(value: float, decimals: int) -> str:
    """A number as the spoken language writes it, with thousands apart."""
    text, signs = f'{value:,.{decimals}f}', _signs(spoken())
    if signs.decimal == '.':
        return text
    return text.translate({ord(','): signs.group, ord('.'): signs.decimal})


def remembered(most: int) -> Callable[[Callable[_Given, _Answer]], Callable[_Given, _Answer]]:
    """Keep the latest answers of a function that says something, each in the language that it was asked in."""

    def keep(function: Callable[_Given, _Answer]) -> Callable[_Given, _Answer]:
        @lru_cache(most)
        def answered(_language: str, *args: object, **named: object) -> _Answer:
            return function(*args, **named)  # type: ignore[arg-type]

        @wraps(function)
        def asked(*args: _Given.args, **named: _Given.kwargs) -> _Answer:
            return answered(spoken(), *args, **named)  # type: ignore[arg-type]

        asked.cache_clear = answered.cache_clear  # type: ignore[attr-defined]
        return asked

    return keep
