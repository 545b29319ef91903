"""A number of the trade says where it comes from."""

import ast
import re
from pathlib import Path

import pytest

import bullseye

SOURCES = [
    file for folder in ('core', 'tracks') for file in sorted((Path(bullseye.__file__).parent / folder).rglob('*.py'))
]
_NO_NUMBERS_OF_THE_TRADE = {  # an order, a version, a pattern or a unit by definition
    '_ORDER', '_CALM', '_ONE', 'ANALYSIS_VERSION', 'MODEL_VERSION', 'DAY_S', 'REFUSED', '_SPOT', '_FIX', '_NUMBERS'
}  # fmt: skip


def unmarked(text: str) -> list[str]:
    """Names of module constants with a number in them that carry no mark, nor stand in a block that does."""
    lines, found = text.splitlines(), []
    for node in ast.parse(text).body:
        if not isinstance(node, ast.Assign):
            continue
        name = ast.unparse(node.targets[0])
        numbers = [
            one for one in ast.walk(node.value) if isinstance(one, ast.Constant) and type(one.value) in (int, float)
        ]
        if name.upper() != name or name in _NO_NUMBERS_OF_THE_TRADE or not numbers:
            continue
        first = node.lineno - 1
        while first and lines[first - 1]:
            first -= 1
        head = lines[first] if lines[first].startswith('#') else ''
        above = lines[node.lineno - 2] if node.lineno > 1 and lines[node.lineno - 2].startswith('#') else ''
        near = [*lines[node.lineno - 1 : node.end_lineno], head, above]
        if not re.search(r'\[(pub|com|own)', ' '.join(near)):
            found.append(name)
    return found


@pytest.mark.parametrize('file', SOURCES, ids=lambda file: f'{file.parent.name}/{file.stem}')
def test_constants_carry_their_source(file: Path) -> None:
    assert unmarked(file.read_text()) == []


def test_a_constant_without_a_mark_is_found() -> None:
    text = '# [own] of a block\n_A = 3.0\n_B, _C = 4.0, 5\n\n_D_FT = 6.0  # [com]\n_E_FT = 7.0\n\nF = (8, 9)\n'
    assert unmarked(text) == ['_E_FT', 'F']
