"""Radio calls of a field without a tower, filled in for leg and intention.

Who, where, what, who again: the order of [pub: FAA AC 90-66 and AIM 4-1-9, wording from memory]. At a field with a
tower, and wherever the local phraseology differs, that wins.
"""

from __future__ import annotations

from dataclasses import dataclass

from bullseye.core.basis.kinds import ExerciseKind, PatternSide

_SPOKEN = ('zero', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'niner')
_DIGITS = {str(digit): word for digit, word in enumerate(_SPOKEN)}
_SUFFIX = {'L': 'left', 'R': 'right', 'C': 'center'}
_INTENTION: dict[ExerciseKind, str] = {
    'normal': 'touch and go',
    'crosswind': 'touch and go',
    'short_field': 'short-field, full stop',
    'soft_field': 'soft-field, full stop',
    'power_off': 'power-off approach, touch and go',
    'no_flap': 'no-flap, touch and go',
    'forward_slip': 'touch and go',
    'three_point': 'touch and go',
    'wheel_landing': 'touch and go',
    'go_around': 'low approach',
    'low_approach': 'low approach',
    'hold_off_drill': 'touch and go',
}


@dataclass(frozen=True, slots=True, kw_only=True)
class RadioCall:
    """One call: when it is made, and the words."""

    when: str
    words: str


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
    number, what = spoken_runway(runway), _INTENTION[intention]

    def call(when: str, where: str) -> RadioCall:
        return RadioCall(when=when, words=f'{field} traffic, {callsign}, {where}, {field}.')

    calls = [
        call('before lining up', f'taking runway {number}, staying in the {side} pattern'),
        call('turning crosswind', f'{side} crosswind runway {number}'),
        call('midfield downwind', f'{side} downwind runway {number}, {what}'),
        call('turning base', f'{side} base runway {number}, {what}'),
        call('turning final', f'final runway {number}, {what}'),
        call('going around', f'going around runway {number}'),
        call('off the runway', f'clear of runway {number}'),
    ]
    if extended:
        calls.insert(3, call('extending', f'extending {side} downwind runway {number}, number two'))
    return tuple(calls)
