"""Recent experience: enough takeoffs and landings within so many days, and until when it holds."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from typing import Literal

from dateutil.relativedelta import relativedelta

from bullseye.core.basis.sentence import Phrasebook, Sentence, count
from bullseye.core.basis.unknown import known_or

_BOOK = Phrasebook('currency')


@dataclass(frozen=True, slots=True, kw_only=True)
class Rule:
    """So many landings within so many days, or months of the calendar."""

    code: str
    name: str
    needed: int
    days: int | None = None
    months: int | None = None
    counts: Literal['any', 'full_stop', 'night_full_stop'] = 'any'
    source: str = ''

    def last_day(self, flown_on: date) -> date:
        """The last day on which a landing still counts."""
        if self.months is not None:
            # the end of a shorter month stands for the days it has not
            last: date = flown_on + relativedelta(months=self.months)
            return last
        return flown_on + timedelta(days=known_or(self.days, 0))


# [pub: 14 CFR 61.57; Part-FCL FCL.060; CAR 401.05, all from memory]
RULES: tuple[Rule, ...] = (
    Rule(
        code='three_in_90', name='3 landings in 90 days', needed=3, days=90, source='14 CFR 61.57, FCL.060, from memory'
    ),
    Rule(
        code='three_full_stop',
        name='3 full-stop landings in 90 days (tailwheel)',
        needed=3,
        days=90,
        counts='full_stop',
        source='14 CFR 61.57, from memory',
    ),
    Rule(
        code='three_by_night',
        name='3 full-stop landings by night in 90 days',
        needed=3,
        days=90,
        counts='night_full_stop',
        source='14 CFR 61.57, from memory',
    ),
    Rule(
        code='five_in_six_months', name='5 landings in 6 months', needed=5, months=6, source='CAR 401.05, from memory'
    ),
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Landed:
    """Landings of one day."""

    on: date
    landings: int
    full_stops: int = 0
    night_full_stops: int = 0

    def counted(self, rule: Rule) -> int:
        """How many of them a rule counts."""
        return {'any': self.landings, 'full_stop': self.full_stops, 'night_full_stop': self.night_full_stops}[
            rule.counts
        ]


@dataclass(frozen=True, slots=True, kw_only=True)
class Currency:
    """Whether a rule is met on a day, until when, and in words."""

    rule: Rule
    have: int
    holds: bool
    until: date | None  # the last day on which it holds without flying again
    words: Sentence


def currency(landed: Sequence[Landed], *, rule: Rule, today: date) -> Currency:
    """Whether the landings so far meet a rule today, and until when.

    A landing counts from its own day to the last of the time, both included; those after today do not.
    """
    past = sorted((one for one in landed if one.on <= today), key=lambda one: one.on, reverse=True)
    have, until = 0, None
    for one in past:
        if rule.last_day(one.on) < today:
            break
        have += one.counted(rule)
        if until is None and have >= rule.needed:
            until = rule.last_day(one.on)
    if until is not None:
        words = _BOOK.say('holds', rule=rule.name, have=count(have), day=f'{until:%-d %b %Y}')
    elif not any(one.counted(rule) for one in past):
        words = _BOOK.say('never', rule=rule.name)
    else:
        needed, missing = count(rule.needed), count(rule.needed - have)
        words = _BOOK.say('lacks', rule=rule.name, have=count(have), needed=needed, missing=missing)
    return Currency(rule=rule, have=have, holds=until is not None, until=until, words=words)
