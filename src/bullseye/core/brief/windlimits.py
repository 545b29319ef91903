"""The limits of wind as rows: a value, how it is compared, how grave it is to be over it, and what is said then.

One small function reads them here, and its twin reads the same rows on a tablet that has no network.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from typing import Literal

from bullseye.core.air.wind import Components, Wind
from bullseye.core.basis.constants import (
    GUST_SPREAD_LIMIT_KT,
    LEAST_APPROACH_GROUND_KT,
    SOLO_WIND_LIMIT_KT,
    TAILWIND_CAUTION_KT,
    TAILWIND_LIMIT_KT,
)
from bullseye.core.basis.sentence import Caution, Phrasebook, Quantity, Severity, knots, told_apart
from bullseye.core.basis.unknown import known_or
from bullseye.words import catalogue
from bullseye.words.language import remembered

WindQuantity = Literal['crosswind', 'tailwind', 'gust_spread', 'wind', 'headwind']
_BOOK = Phrasebook('windlimit')
_TAILWIND_SAID_KT = 0.5  # [own]


@dataclass(frozen=True, slots=True, kw_only=True)
class WindLimit:
    """One limit. Of the rows of one quantity and name only the first that is exceeded speaks."""

    quantity: WindQuantity
    name: str  # whose limit it is
    source: str
    limit_kt: float
    compared: Literal['above', 'from']  # above: the limit itself is still within
    severity: Severity
    alone_only: bool
    landing_only: bool
    needs_direction: bool  # says nothing in a wind from no known direction, of which more is said elsewhere
    template: str
    words: str  # of it, with {value} and {limit} to be filled

    def is_exceeded(self, value_kt: float) -> bool:
        """Whether a wind is over it."""
        return value_kt > self.limit_kt if self.compared == 'above' else value_kt >= self.limit_kt

    def caution(self, value_kt: float) -> Caution:
        """What is said of a wind that is over it."""
        names = _BOOK.takes(self.template)
        value, limit = knots(value_kt), knots(self.limit_kt)
        if 'limit' in names:
            value, limit = told_apart(value, limit)
        known: dict[str, Quantity | str] = {'value': value, 'limit': limit, 'name': self.name, 'source': self.source}
        said = {name: known[name] for name in names}
        return Caution(self.severity, _BOOK.say(self.template, **said), alone_only=self.alone_only)


@remembered(200)  # every request has the same limits, but for whose they are
def _words(template: str, name: str, source: str) -> str:
    """Of a limit, with {value} and {limit} left to be filled in."""
    texts = {'value': '{value}', 'limit': '{limit}', 'name': name, 'source': source}
    return catalogue.said(f'{_BOOK.subject}.{template}', texts)


def _row(
    template: str,
    quantity: WindQuantity,
    limit_kt: float,
    severity: Severity,
    *,
    compared: Literal['above', 'from'] = 'above',
    name: str = 'ours',
    source: str = '',
    needs_direction: bool = False,
    alone_only: bool = False,
) -> WindLimit:
    return WindLimit(
        quantity=quantity,
        name=name,
        source=source,
        limit_kt=limit_kt,
        compared=compared,
        severity=severity,
        alone_only=alone_only,
        landing_only=quantity == 'headwind',
        needs_direction=needs_direction,
        template=template,
        words=_words(template, name, source),
    )


OF_STUDENTS = ('school', 'student', 'signed')  # whose limits bind a student who flies alone


def _crosswind(name: str, limit_kt: float, source: str, *, alone: bool) -> WindLimit:
    """A limit of crosswind; one of students alone forbids nothing with an instructor aboard, and is told."""
    told = name in OF_STUDENTS and not alone
    return _row(
        'crosswind_alone' if told else 'crosswind',
        'crosswind',
        limit_kt,
        'know' if told else 'stop',
        name=name,
        source=source,
        alone_only=told,
    )


def wind_limits(
    *,
    crosswind: Iterable[tuple[str, float, str]],
    approach_ktas: float,
    alone: bool = False,
    signed_wind_kt: float | None = None,
) -> tuple[WindLimit, ...]:
    """All limits of wind of a landing, as rows.

    :param alone: a student without an instructor, whom the limits of students bind
    :param signed_wind_kt: the most wind that their solo sign-off allows; None where it names none
    :param crosswind: whose limit, how much [kt], and its source
    :param approach_ktas: true airspeed of the approach
    """
    signed: tuple[WindLimit, ...] = ()
    if alone and signed_wind_kt is not None:
        signed = (_row('signed', 'wind', signed_wind_kt, 'stop', name='signed'),)
    slowest_kt = max(0.0, approach_ktas - LEAST_APPROACH_GROUND_KT)
    return (
        _row('tailwind_over', 'tailwind', TAILWIND_LIMIT_KT, 'stop'),
        _row('tailwind', 'tailwind', TAILWIND_CAUTION_KT, 'mind', compared='from', needs_direction=True),
        _row('tailwind', 'tailwind', _TAILWIND_SAID_KT, 'know', needs_direction=True),
        *(_crosswind(name, kt, source, alone=alone) for name, kt, source in crosswind),
        _row('gusts', 'gust_spread', GUST_SPREAD_LIMIT_KT, 'stop'),
        *signed,
        _row('strong', 'wind', SOLO_WIND_LIMIT_KT, 'stop' if alone else 'know', alone_only=not alone),
        _row('too_strong', 'headwind', slowest_kt, 'stop'),
    )


def wind_values_kt(parts: Components, wind: Wind) -> dict[WindQuantity, float]:
    """What is held against the limits [kt]: the worst of the day's directions, gusts included."""
    return {
        'crosswind': parts.worst_crosswind_kt,
        'tailwind': parts.worst_tailwind_kt,
        'gust_spread': wind.gust_spread_kt,
        'wind': wind.speed_kt + wind.gust_spread_kt,
        'headwind': max(known_or(parts.head_kt, 0.0), known_or(parts.gust_head_kt, 0.0), parts.any_way_kt),
    }


def exceeded(
    limits: Iterable[WindLimit], values_kt: Mapping[WindQuantity, float], *, has_direction: bool
) -> list[WindLimit]:
    """The limits that a wind is over, in their order."""
    found: list[WindLimit] = []
    for one in limits:
        if any((one.quantity, one.name) == (other.quantity, other.name) for other in found):
            continue
        if one.is_exceeded(values_kt[one.quantity]) and (has_direction or not one.needs_direction):
            found.append(one)
    return found
