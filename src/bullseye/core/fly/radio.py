"""Radio calls of a field without a tower, filled in for leg and intention.

Who, where, what, who again: the order of [pub: FAA AC 90-66 and AIM 4-1-9, wording from memory]. At a field with a
tower, and wherever the local phraseology differs, that wins.
"""

from __future__ import annotations

from dataclasses import dataclass

from bullseye.core.basis.kinds import ExerciseKind, PatternSide
from bullseye.core.basis.sentence import Phrasebook, Sentence

_SPOKEN = ('zero', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'niner')
_DIGITS = {str(digit): word for digit, word in enumerate(_SPOKEN)}
_SUFFIX = {'L': 'left', 'R': 'right', 'C': 'center'}
_BOOK = Phrasebook('radio')
_CALLED: tuple[ExerciseKind, ...] = (
    'short_field',
    'soft_field',
    'power_off',
    'no_flap',
)  # by their own name; others as what follows
_LOW: tuple[ExerciseKind, ...] = ('go_around', 'low_approach')


def _intention(kind: ExerciseKind) -> Sentence:
    return _BOOK.say(kind if kind in _CALLED else 'low_approach' if kind in _LOW else 'touch_and_go')


@dataclass(frozen=True, slots=True, kw_only=True)
class RadioCall:
    """One call: when it is made, and the words."""

    when: Sentence
    words: Sentence


def spoken_runway(ident: str) -> str:
    """A runway number as it is spoken: ``05L`` is ``zero five left``; other idents as they are written."""
    words = [_DIGITS.get(letter) or _SUFFIX.get(letter) for letter in ident.upper()]
    return ' '.join(word for word in words if word) if all(words) else ident


def radio_calls(
    *, field: str, callsign: str, runway: str, side: PatternSide, intention: ExerciseKind, extended: bool = False
) -> tuple[RadioCall, ...]:
    """Calls of one lap, in the order they are made.

    :param extended: whether downwind is flown on for one ahead
    """
    values: dict[str, Sentence | str] = {'runway': spoken_runway(runway), 'side': side, 'what': _intention(intention)}

    def call(name: str) -> RadioCall:
        where = _BOOK.say(f'{name}_where', **{one: values[one] for one in _BOOK.takes(f'{name}_where')})
        return RadioCall(when=_BOOK.say(name), words=_BOOK.say('call', field=field, callsign=callsign, where=where))

    legs = ['before', 'crosswind', 'downwind', *(['extending'] if extended else []), 'base', 'final', 'around', 'off']
    return tuple(call(name) for name in legs)
