"""Why something that was given is refused: the label of its field, what cannot be, and what to enter."""

from __future__ import annotations

import re
from collections.abc import Mapping, Sequence
from functools import cache
from typing import Any

from bullseye.words import catalogue
from bullseye.words.language import remembered

# what a name ends with, and how it is said behind a figure; longer endings first
_UNITS: Mapping[str, str] = {
    '_deg_true': '°',
    '_deg_mag': '°',
    '_deg': '°',
    '_fps2': ' ft/s²',
    '_kias': ' KIAS',
    '_kcas': ' KCAS',
    '_ktas': ' KTAS',
    '_fpm': ' fpm',
    '_hpa': ' hPa',
    '_gph': ' gal/h',
    '_gal': ' gal',
    '_pct': ' %',
    '_min': ' min',
    '_kt': ' kt',
    '_ft': ' ft',
    '_nm': ' nm',
    '_lb': ' lb',
    '_lbs': ' lb',
    '_c': ' °C',
    '_s': ' s',
    '_m': ' m',
}
_MOST_CHARACTERS = 60  # [own] of what was given
_OF_A_TABLE = ('le_', 'he_')  # columns of a runway table are known by what the file calls them
_OF = re.compile(r'^(at least|at most)\b')
_BARE = re.compile(r'^(above|below|from|more|less|not|between|within|greater)\b')
_NUMBER = r'(-?[\d.,]+)'
# bounds of a figure, and the text that says them
_BOUNDS = (
    (re.compile(rf'^(?:at least )?{_NUMBER} (?:and at most|to) {_NUMBER}$'), 'between'),
    (re.compile(rf'^above {_NUMBER} and at most {_NUMBER}$'), 'above_to'),
    (re.compile(rf'^at least {_NUMBER}$'), 'at_least'),
    (re.compile(rf'^at most {_NUMBER}$'), 'at_most'),
    (re.compile(rf'^above {_NUMBER}$'), 'above'),
    (re.compile(rf'^below {_NUMBER}$'), 'below'),
)
_FIGURE = re.compile(r'-?[\d.,]+$')


def _ending(name: str) -> str:
    return next((one for one in _UNITS if name.endswith(one)), '')


@remembered(500)
def label(name: str) -> str:
    """What a field is called where it is entered: *Maximum weight* for ``max_weight_lb``."""
    if name.startswith(_OF_A_TABLE):
        return name
    key = f'field.{name}'
    if key in _labelled():
        return catalogue.said(key, {})
    plain = name.removesuffix(_ending(name)).removesuffix('_id').replace('_', ' ').strip() or name
    return plain[:1].upper() + plain[1:]


@cache
def _labelled() -> frozenset[str]:
    return frozenset(one for one in catalogue.names() if one.startswith('field.'))


def _given(value: object, unit: str) -> str:
    if value is None or value == '':
        return catalogue.said('refusal.nothing', {})
    if isinstance(value, bool):
        return str(value).lower()
    if isinstance(value, int | float):
        return f'{value:g}{unit}'
    words = ' '.join(str(value).split())
    return f'“{words[:_MOST_CHARACTERS]}{"…" if len(words) > _MOST_CHARACTERS else ""}”'


def _enter(accepted: str, unit: str) -> str:
    """What is accepted, as it goes on from *Enter*."""
    if accepted in _NAMED:
        return catalogue.said(f'refusal.{_NAMED[accepted]}', {})
    for pattern, name in _BOUNDS:
        if found := pattern.match(accepted):
            bounds = [*found.groups()]
            bounds[-1] += unit
            return catalogue.said(f'refusal.{name}', dict(zip(('low', 'high'), bounds, strict=False)))
    if unit and _FIGURE.search(accepted):
        accepted += unit
    if _OF.match(accepted):
        return catalogue.said('refusal.value_of', {'accepted': accepted})
    if _BARE.match(accepted):
        return catalogue.said('refusal.value', {'accepted': accepted})
    choices = [one.strip(" '") for one in re.split(r',| or ', accepted)]
    if len(choices) > 1 and all(re.fullmatch(r'[\w-]+( [\w-]+)?', one) for one in choices):
        return catalogue.said('refusal.one_of', {'some': ', '.join(choices[:-1]), 'last': choices[-1]})
    return accepted


def refused(path: str, value: object, accepted: str) -> str:
    """A value that is not accepted, and what is.

    :param path: to the field, dotted, by the names of the program
    :param accepted: *above 0*, *at least the steady wind, 10*, *up, half, full*, *a number*
    """
    name, called = _field([part for part in path.split('.') if part])
    if name.endswith('_id') and value in (0, None, ''):
        return catalogue.said('refusal.not_chosen', {'label': called})
    unit = _UNITS.get(_ending(name), '')
    told = {'label': called, 'given': _given(value, unit), 'accepted': _enter(accepted, unit)}
    return catalogue.said('refusal.accepted', told)


_LIMITS: Mapping[str, tuple[str, str]] = {
    'greater_than': ('above', 'gt'),
    'greater_than_equal': ('at least', 'ge'),
    'less_than': ('below', 'lt'),
    'less_than_equal': ('at most', 'le'),
}
# what else is found wrong while a value is read, and what is to be entered
_KINDS: Mapping[str, str] = {
    'finite_number': 'a number',
    'float_type': 'a number',
    'float_parsing': 'a number',
    'int_type': 'a whole number',
    'int_parsing': 'a whole number',
    'int_from_float': 'a whole number',
    'bool_type': 'yes or no',
    'bool_parsing': 'yes or no',
    'string_type': 'words',
    'date_parsing': 'a date',
    'date_type': 'a date',
    'date_from_datetime_parsing': 'a date',
    'time_parsing': 'a time of day',
    'datetime_parsing': 'a date and time',
    'datetime_from_date_parsing': 'a date and time',
    'time_type': 'a time of day',
    'datetime_type': 'a date and time',
    'dataclass_type': 'what belongs to it, by name',
    'dict_type': 'what belongs to it, by name',
    'model_attributes_type': 'what belongs to it, by name',
    'list_type': 'a list',
    'tuple_type': 'a list',
    'timezone_aware': 'a time with its offset from UTC',
}
_NAMED: Mapping[str, str] = {
    'a number': 'a_number',
    'a finite number': 'a_number',
    'a whole number': 'a_whole_number',
    'yes or no': 'yes_or_no',
    'words': 'words',
    'a date': 'a_date',
    'a time of day': 'a_time',
    'a date and time': 'a_date_and_time',
    'what belongs to it, by name': 'by_name',
    'a list': 'a_list',
    'a time with its offset from UTC': 'with_offset',
}
_SIZES: Mapping[str, tuple[str, str]] = {
    'string_too_short': ('text_too_short', 'min_length'),
    'string_too_long': ('text_too_long', 'max_length'),
    'too_short': ('too_few', 'min_length'),
    'too_long': ('too_many', 'max_length'),
}


def _limit(value: object) -> str:
    """A limit as it is said: a number without a needless end, a day as it is written."""
    return f'{value:g}' if isinstance(value, int | float) else str(value)


def _field(path: Sequence[str]) -> tuple[str, str]:
    """The field that a path leads to, and what it is called: of a list by the number of its row."""
    name = next((part for part in reversed(path) if not part.isdigit()), 'request')
    number = next((part for part in reversed(path) if part.isdigit()), None)
    if number is None:
        return name, label(name)
    return name, catalogue.said('refusal.row', {'label': label(name), 'number': str(int(number) + 1)})


def missing(path: str) -> str:
    """That a field has to be given.

    :param path: to it, dotted
    """
    return catalogue.said('refusal.missing', {'label': _field(path.split('.'))[1]})


def missing_in_report(path: str) -> str:
    """That a report of the weather does not have what is missing.

    :param path: of the field, dotted
    """
    return catalogue.said('refusal.missing_in_report', {'label': _field(path.split('.'))[1]})


def found_wrong(kind: str, path: Sequence[str], given: object, context: Mapping[str, Any], otherwise: str) -> str:
    """What is wrong with a value that was read, of a kind that pydantic tells apart.

    :param kind: its name of the error
    :param path: to the field
    :param context: the limits that it tells
    :param otherwise: its own words, which are ours where one of our checks refused
    """
    name, called = _field(path)
    if kind in _LIMITS:
        words, limit = _LIMITS[kind]
        return refused('.'.join(path), given, f'{words} {_limit(context[limit])}')
    if kind in _KINDS:
        return refused('.'.join(path), given, _KINDS[kind])
    if kind == 'literal_error':
        return refused('.'.join(path), given, str(context['expected']))
    if kind == 'missing':
        return catalogue.said('refusal.missing', {'label': called})
    if kind in ('unexpected_keyword_argument', 'extra_forbidden'):
        return catalogue.said('refusal.no_field', {'label': name})
    if kind in _SIZES:
        text, limit = _SIZES[kind]
        return catalogue.said(f'refusal.{text}', {'label': called, 'limit': context[limit]})
    if kind == 'value_error':
        return catalogue.said('refusal.other', {'label': called, 'why': otherwise.removeprefix('Value error, ')})
    return catalogue.said('refusal.unreadable', {'label': called})
