"""The texts of the screens, which the browser says itself: what goes into each, told to the front end's compiler."""

from __future__ import annotations

from collections.abc import Mapping

from fluent.syntax import ast

from bullseye.words.catalogue import filled, read_files
from bullseye.words.language import ENGLISH


def texts(language: str = ENGLISH) -> Mapping[str, ast.Message]:
    """All texts of the screens by their names as the files have them.

    :raises ValueError: when a file has a line that is none of the format, or a name that stands twice
    """
    return read_files(language, 'screen')[1]


def declaration() -> str:
    """What the front end's compiler has to know: each name, and the values that it is said with."""
    lines = []
    for name, text in texts().items():
        values = ' | '.join(f"'{one}'" for one in sorted(set(filled(text)))) or 'never'
        lines.append(f"  '{name.replace('-', '.', 1)}': {values}\n")
    return f'/** Written by ./bullseye types from the Fluent files. */\nexport interface Texts {{\n{"".join(lines)}}}\n'


if __name__ == '__main__':
    print(declaration(), end='')
