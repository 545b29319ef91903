"""The texts of the screens, which the browser says itself: what goes into each, told to the front end's compiler."""

from __future__ import annotations

from collections.abc import Mapping
from importlib import resources
from importlib.resources.abc import Traversable

from fluent.runtime import FluentResource
from fluent.syntax import ast

from bullseye.words.catalogue import ENGLISH, filled


def files(language: str = ENGLISH) -> list[Traversable]:
    """The files of a language, by name."""
    folder = resources.files(__package__).joinpath(language, 'screen')
    return sorted((one for one in folder.iterdir() if one.name.endswith('.ftl')), key=lambda one: one.name)


def texts(language: str = ENGLISH) -> Mapping[str, ast.Message]:
    """All texts of the screens by their names as the files have them.

    :raises ValueError: when a file has a line that is none of the format, or a name that stands twice
    """
    found: dict[str, ast.Message] = {}
    for file in files(language):
        for entry in FluentResource(file.read_text(encoding='utf-8')).body:
            if isinstance(entry, ast.Junk):
                raise ValueError(f'{language}/screen/{file.name} has what is no text: {entry.content}')
            if isinstance(entry, ast.Message):
                if entry.id.name in found:
                    raise ValueError(f'{language}/screen/{file.name} has {entry.id.name} a second time')
                found[entry.id.name] = entry
    return found


def declaration() -> str:
    """What the front end's compiler has to know: each name, and the values that it is said with."""
    lines = []
    for name, text in texts().items():
        values = ' | '.join(f"'{one}'" for one in sorted(set(filled(text)))) or 'never'
        lines.append(f"  '{name.replace('-', '.', 1)}': {values}\n")
    return f'/** Written by ./bullseye types from the Fluent files. */\nexport interface Texts {{\n{"".join(lines)}}}\n'


if __name__ == '__main__':
    print(declaration(), end='')
