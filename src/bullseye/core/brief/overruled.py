"""What the instructor set against what is worked out, in words: the number, who set it, and why."""

from __future__ import annotations

from collections.abc import Mapping
from typing import get_args

from bullseye.core.basis.sentence import Caution, Phrasebook, Quantity, as_given, feet, joined, knots
from bullseye.core.brief.request import BriefRequest
from bullseye.core.given.overrule import LandingNumber, OverruledNumber, PatternNumber, TakeoffNumber, number_words

_BOOK = Phrasebook('overruled')
LANDING_NUMBERS: frozenset[OverruledNumber] = frozenset(get_args(LandingNumber))
TAKEOFF_NUMBERS: frozenset[OverruledNumber] = frozenset(get_args(TakeoffNumber))
PATTERN_NUMBERS: frozenset[OverruledNumber] = frozenset(get_args(PatternNumber))


def _ours(number: OverruledNumber, value: float) -> Quantity:
    """A worked-out number, as exactly as it is known."""
    return knots(value) if number.endswith('_kias') else feet(value, step=10.0)


def overrule_cautions(
    request: BriefRequest, numbers: frozenset[OverruledNumber], worked_out: Mapping[OverruledNumber, float | None]
) -> list[Caution]:
    """What the instructor set of these numbers, each with its reason and what is worked out."""
    said = []
    for one in request.overruled:
        if one.number not in numbers:
            continue
        words = _BOOK.say(
            'set',
            what=number_words(one.number),
            value=as_given(one.value, 'kt' if one.number.endswith('_kias') else 'ft'),
            by=one.by,
            reason=one.reason.rstrip('.'),
        )
        ours = worked_out.get(one.number)
        if ours is not None:
            words = joined(words, _BOOK.say('worked_out', value=_ours(one.number, ours)))
        said.append(Caution('mind', words))
    return said
