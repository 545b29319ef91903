"""Checked fields: the allowed range of a value stands once, in the type of its field.

A frozen dataclass that inherits from :class:`Checked` refuses what its annotations do not allow, whoever builds it.
Pydantic reads the same annotations, so the JSON Schema shows the same ranges.
"""

from __future__ import annotations

import math
import sys
from dataclasses import fields
from datetime import UTC, datetime, timedelta
from functools import cache
from typing import Annotated, Any, Literal, get_args, get_origin, get_type_hints

from annotated_types import Ge, Gt, Le
from pydantic import AfterValidator, AllowInfNan, AwareDatetime, ConfigDict, Strict, StringConstraints

from bullseye.core.basis.errors import InvalidInput


def storable(text: str) -> str:
    """Refuse control characters, which no database keeps, but for those that lay a text out."""
    if any((ord(one) < 32 and one not in '\t\n\r') or ord(one) == 127 for one in text):
        raise ValueError('control characters are not accepted')
    return text


# Times outside these years come from a wrong clock, and the ends of the calendar cannot be moved to another zone [own]
EARLIEST = datetime(2000, 1, 1, tzinfo=UTC)
LATEST = datetime(2100, 1, 1, tzinfo=UTC)
# a tablet's clock stands at the first after its battery ran out, and a mistyped year is put right as well
_CLOCKS_BEGIN, _CLOCKS_END = datetime(1970, 1, 1, tzinfo=UTC), datetime(3000, 1, 1, tzinfo=UTC)


CLOCK_IS_WRONG = timedelta(minutes=5)  # [own] by which a device's clock is put right; less is on the way or drift


def is_in_range(moment: datetime) -> bool:
    """Whether a moment (with a zone) lies in the years that are kept, 2000 to 2099."""
    return EARLIEST <= moment < LATEST


def kept_moment(moment: datetime) -> datetime:
    """A moment in UTC; those outside the years that are kept are refused."""
    if not is_in_range(moment):
        raise ValueError('enter a time from the years 2000 to 2099')
    return moment.astimezone(UTC)


def clock_reading(moment: datetime) -> datetime:
    """What a device's clock showed, in UTC; it may be wrong by years and is put right by whoever reads it."""
    if not _CLOCKS_BEGIN <= moment < _CLOCKS_END:
        raise ValueError('enter a time from the years 1970 to 2999, and look at the clock of the device')
    return moment.astimezone(UTC)


Moment = Annotated[AwareDatetime, AfterValidator(kept_moment)]
ClockReading = Annotated[AwareDatetime, AfterValidator(clock_reading)]
Real = Annotated[float, Strict(), AllowInfNan(False)]
STORABLE = AfterValidator(storable)
Name = Annotated[str, StringConstraints(min_length=1, max_length=80), STORABLE]
Degrees = Annotated[Real, Ge(0), Le(360)]
Deceleration = Annotated[Real, Gt(0.5), Le(12)]  # of an aircraft in the hold-off [ft/s²]


def accepted_range(bounds: tuple[Any, ...]) -> str:
    """Say the range in words: ``above 0 and at most 20``."""
    words = {Gt: ('above', 'gt'), Ge: ('at least', 'ge'), Le: ('at most', 'le')}
    parts = [f'{words[type(b)][0]} {getattr(b, words[type(b)][1]):g}' for b in bounds if type(b) in words]
    return ' and '.join(parts) or 'a finite number'


def _closed_low(bound: Any) -> float:
    """Lowest number that a bound allows."""
    if isinstance(bound, Gt):
        return math.nextafter(bound.gt, math.inf)  # type: ignore[arg-type]
    return float(bound.ge) if isinstance(bound, Ge) else -sys.float_info.max  # type: ignore[arg-type]


@cache
def _rules(cls: type) -> tuple[tuple[str, tuple[Any, ...], bool, float, float], ...]:
    """List the numeric fields of a class: name, bounds, whether None is allowed, and the ends of the closed range."""
    hints = get_type_hints(cls, include_extras=True)
    rules = []
    for field in fields(cls):
        hint, optional = hints[field.name], False
        if get_origin(hint) not in (Annotated, Literal) and type(None) in get_args(hint):
            optional = True
            hint = next(a for a in get_args(hint) if a is not type(None))
        if get_origin(hint) is Annotated and get_args(hint)[0] in (float, int):
            bounds = get_args(hint)[1:]
            low = max((_closed_low(one) for one in bounds), default=-sys.float_info.max)
            high = min((float(one.le) for one in bounds if isinstance(one, Le)), default=sys.float_info.max)  # type: ignore[arg-type]
            rules.append((field.name, bounds, optional, low, high))
    return tuple(rules)


class Checked:
    """Base of the value objects: a value that exists is within its range."""

    __slots__ = ()
    __pydantic_config__ = ConfigDict(extra='forbid')

    def __post_init__(self) -> None:
        for name, bounds, optional, low, high in _rules(type(self)):  # type: ignore[arg-type]
            value = getattr(self, name)
            if value is None and optional:
                continue
            # the ends are finite, so that neither NaN nor infinity is between them
            if isinstance(value, bool) or not isinstance(value, int | float) or not low <= value <= high:
                raise InvalidInput(name, value, accepted_range(bounds))
        self.check_together()

    def check_together(self) -> None:
        """Refuse values that are each in range but make no sense together."""
