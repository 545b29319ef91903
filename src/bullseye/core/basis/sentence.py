"""Sentences with their numbers apart: the name of a text and typed quantities, put into words once, at the edge.

The core decides what is said and how exactly it is known; the words stand in the catalogue. Units by person and other
languages need the numbers, so a sentence keeps them until an API, a card or the command line renders it.
"""

from __future__ import annotations

import math
from collections.abc import Iterable
from dataclasses import dataclass
from functools import cache
from typing import Any, Literal

from pydantic import GetCoreSchemaHandler
from pydantic_core import CoreSchema, core_schema

from bullseye.words import catalogue, language

Unit = Literal['ft', 'nm', 'km', 'kt', 'kias', 'kcas', 'fpm', 's', 'min', 'lb', 'deg', 'pct', 'fps2', 'count']


@cache
def _suffix(_language: str, unit: Unit) -> str:
    """What stands behind a number of a unit, in the language that is spoken."""
    if unit in ('deg', 'count'):
        return '°' if unit == 'deg' else ''
    return ' ' + catalogue.said(f'unit.{unit}', {})


@dataclass(frozen=True, slots=True)
class Quantity:
    """A number with its unit, said in multiples of ``step``: no more exactly than it is known."""

    value: float
    unit: Unit
    step: float = 1.0

    def __str__(self) -> str:
        decimals = max(0, len(f'{self.step:.6f}'.rstrip('0').partition('.')[2]))
        steps = math.floor(abs(self.value) / self.step + 0.5)  # half a step is said as one
        rounded = math.copysign(steps * self.step, self.value) if steps else 0.0  # never minus zero
        return language.number(rounded, decimals) + _suffix(language.spoken(), self.unit)


def feet(value: float, *, step: float = 1.0) -> Quantity:
    """A length [ft]."""
    return Quantity(value, 'ft', step)


def to_spare(margin_ft: float) -> Quantity:
    """A length left over: to the ten, a small one to the foot, and never more than there is."""
    step_ft = 10.0 if margin_ft >= 100 else 1.0
    return feet(math.floor(margin_ft / step_ft) * step_ft)


def lacking(margin_ft: float) -> Quantity:
    """What a length is too short by: to the next ten, never less than it is.

    :param margin_ft: what is left over, below zero
    """
    return feet(math.ceil(-margin_ft / 10) * 10.0)


def knots(value: float, *, step: float = 1.0) -> Quantity:
    """A speed [kt]."""
    return Quantity(value, 'kt', step)


def pounds(value: float, *, step: float = 1.0) -> Quantity:
    """A weight [lb]."""
    return Quantity(value, 'lb', step)


def seconds(value: float, *, step: float = 1.0) -> Quantity:
    """A time [s]."""
    return Quantity(value, 's', step)


def degrees(value: float, *, step: float = 1.0) -> Quantity:
    """An angle [°]."""
    return Quantity(value, 'deg', step)


def miles(value: float, *, step: float = 0.1) -> Quantity:
    """A length [nm]."""
    return Quantity(value, 'nm', step)


def per_cent(value: float, *, step: float = 1.0) -> Quantity:
    """A number of per cent."""
    return Quantity(value, 'pct', step)


def count(value: float, *, step: float = 1.0) -> Quantity:
    """A bare number: how many of something, or by which factor."""
    return Quantity(value, 'count', step)


def as_given(value: float, unit: Unit) -> Quantity:
    """A number that somebody entered, to the tenth where it has one."""
    return Quantity(value, unit, 1.0 if float(value).is_integer() else 0.1)


def told_apart(value: Quantity, limit: Quantity) -> tuple[Quantity, Quantity]:
    """Two quantities that differ, said finely enough to differ in words too: 8.4 kt are over a limit of 8.2 kt."""
    while str(value) == str(limit) and value.value != limit.value and value.step > 0.01:
        value = Quantity(value.value, value.unit, value.step / 10)
        limit = Quantity(limit.value, limit.unit, limit.step / 10)
    return value, limit


def share(value: float) -> Quantity:
    """A share of one, said in per cent; small ones to a tenth."""
    percent = value * 100
    return Quantity(percent, 'pct', 0.1 if 0 < percent < 2 else 1.0)


@dataclass(frozen=True, slots=True)
class Sentence:
    """What is to be said: the name of a text in the catalogue and what goes into it, which may be a sentence itself."""

    template: str
    values: tuple[tuple[str, Quantity | Sentence | str], ...] = ()

    @property
    def name(self) -> str:
        """Of the template, within its subject."""
        return self.template.rpartition('.')[2]

    def __str__(self) -> str:
        """The sentence in the language that is spoken, in the units of its quantities."""
        return catalogue.said(self.template, {name: str(value) for name, value in self.values})

    @classmethod
    def __get_pydantic_core_schema__(cls, _source: Any, _handler: GetCoreSchemaHandler) -> CoreSchema:
        """Leave as text, wherever it is written out."""
        text = core_schema.str_schema()
        return core_schema.json_or_python_schema(
            json_schema=text,
            python_schema=core_schema.is_instance_schema(cls),
            serialization=core_schema.plain_serializer_function_ser_schema(str, return_schema=text),
        )


_JOINED = 'joined'


def joined(*sentences: Sentence) -> Sentence:
    """Several sentences, one after the other.

    :raises ValueError: without any
    """
    if not sentences:
        raise ValueError('nothing to say')
    found = sentences[0]
    for one in sentences[1:]:
        found = Sentence(_JOINED, (('first', found), ('second', one)))
    return found


@dataclass(frozen=True, slots=True)
class Phrasebook:
    """The texts of one subject, each named ``subject.name`` in the catalogue."""

    subject: str

    def takes(self, name: str) -> frozenset[str]:
        """The names of what goes into a text."""
        return catalogue.values_of(f'{self.subject}.{name}')

    def say(self, name: str, /, **values: Quantity | Sentence | str) -> Sentence:
        """A sentence; its values must be those that its text names.

        :raises ValueError: when they are not
        :raises UnknownText: when the catalogue has no such text
        """
        if self.takes(name) != values.keys():
            raise ValueError(f'{self.subject}.{name} takes {sorted(self.takes(name))}, not {sorted(values)}')
        return Sentence(f'{self.subject}.{name}', tuple(values.items()))

    def all_of(self, name: str) -> tuple[Sentence, ...]:
        """The sentences of a list, ``name_1`` and on, as many as the catalogue has.

        :raises UnknownText: when it has none
        """
        number = 1
        found = [self.say(f'{name}_{number}')]
        while catalogue.has(f'{self.subject}.{name}_{(number := number + 1)}'):
            found.append(self.say(f'{name}_{number}'))
        return tuple(found)


Severity = Literal['stop', 'mind', 'know']
_GRAVEST_FIRST: tuple[Severity, ...] = ('stop', 'mind', 'know')


@dataclass(frozen=True, slots=True)
class Caution:
    """Something to be warned of: ``stop`` do not fly this, ``mind`` fly it with care, ``know`` be aware of it."""

    severity: Severity
    words: Sentence
    alone_only: bool = False  # a limit of students alone: with an instructor aboard it is told, and still flown by

    def __str__(self) -> str:
        """What is said."""
        return str(self.words)


def gravest_first(cautions: Iterable[Caution]) -> tuple[Caution, ...]:
    """Cautions in the order of their severity, each once; within one severity as they came."""
    return tuple(sorted(dict.fromkeys(cautions), key=lambda one: _GRAVEST_FIRST.index(one.severity)))
