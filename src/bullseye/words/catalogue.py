"""Texts by name: read once from the Fluent files of a language, and filled in where they are said.

A name is ``subject.name`` in the program and ``subject-name`` in a file, where a dot would begin an attribute.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from functools import cache
from importlib import resources
from typing import Any

from fluent.runtime import FluentBundle, FluentResource
from fluent.syntax import ast

from bullseye.words.language import ENGLISH, LOCALES, spoken


class UnknownText(LookupError):
    """A name that no file of the language has; a mistake of ours."""


def filled(node: object) -> Iterator[str]:
    """The names of what goes into a text, of the nodes of its tree."""
    if isinstance(node, ast.VariableReference):
        yield node.id.name
    elif isinstance(node, list):
        for one in node:
            yield from filled(one)
    elif isinstance(node, ast.BaseNode):
        yield from filled(list(vars(node).values()))


@dataclass(frozen=True)
class _Language:
    """All texts of one language: to be filled in, and as they were read."""

    bundle: FluentBundle
    read: Mapping[str, ast.Message]


def read_files(language: str, *inside: str) -> tuple[list[ast.Resource], dict[str, ast.Message]]:
    """The files of a folder of a language, and its texts by their names as the files have them.

    :raises ValueError: when a file has a line that is none of the format, or a name that stands twice
    """
    folder = resources.files(__package__).joinpath(language, *inside)
    found: list[ast.Resource] = []
    read: dict[str, ast.Message] = {}
    for file in sorted((one for one in folder.iterdir() if one.name.endswith('.ftl')), key=lambda one: one.name):
        resource = FluentResource(file.read_text(encoding='utf-8'))
        for entry in resource.body:
            if isinstance(entry, ast.Junk):
                raise ValueError(f'{language}/{file.name} has what is no text: {entry.content}')
            if isinstance(entry, ast.Message):
                if entry.id.name in read:
                    raise ValueError(f'{language}/{file.name} has {entry.id.name}, which stands there already')
                read[entry.id.name] = entry
        found.append(resource)
    return found, read


@cache
def _language(language: str) -> _Language:
    """All texts of a language that Python says."""
    bundle = FluentBundle([LOCALES[language]], use_isolating=False)
    files, read = read_files(language)
    for one in files:
        bundle.add_resource(one)
    return _Language(bundle, read)


@cache
def _key(language: str, name: str) -> str:
    key = name.replace('.', '-')
    if key not in _language(language).read:
        raise UnknownText(f'no text of {language} is called {name}')
    return key


def has(name: str) -> bool:
    """Whether there is such a text."""
    return name.replace('.', '-') in _language(ENGLISH).read


def message(name: str) -> ast.Message:
    """A text as its file has it.

    :raises UnknownText: when there is no such text
    """
    return _language(ENGLISH).read[_key(ENGLISH, name)]


@cache
def values_of(name: str) -> frozenset[str]:
    """The names of what goes into a text.

    :raises UnknownText: when there is no such text
    """
    return frozenset(filled(message(name)))


@cache
def _prepared(language: str, name: str) -> tuple[FluentBundle, Any, str | None]:
    """What says a text, what it says, and the words themselves where nothing goes into them.

    What a language has no text for is said in English: better than nothing, and found by ``missing``.
    """
    if language != ENGLISH and name.replace('.', '-') not in _language(language).read:
        return _prepared(ENGLISH, name)
    bundle = _language(language).bundle
    pattern = bundle.get_message(_key(language, name)).value
    if pattern is None:
        raise UnknownText(f'{name} of {language} is empty')
    fixed = None if values_of(name) else str(bundle.format_pattern(pattern)[0])
    return bundle, pattern, fixed


def said(name: str, values: dict[str, Any]) -> str:
    """A text in the language that is spoken, with its values filled in.

    :param values: by name, as they are to be read
    :raises UnknownText: when there is no such text
    :raises ValueError: when a value is missing
    """
    bundle, pattern, fixed = _prepared(spoken(), name)
    if fixed is not None:
        return fixed
    text, wrong = bundle.format_pattern(pattern, values)
    if wrong:
        raise ValueError(f'{name} cannot be said: {wrong}')
    return str(text)


def names(*, language: str = ENGLISH) -> Iterator[str]:
    """The names of all texts, as the program has them."""
    return (name.replace('-', '.', 1) for name in _language(language).read)
