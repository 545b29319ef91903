"""Numbers of which zero would be taken for unknown: ``x or y`` on a quantity, told by the unit its name ends with."""

from __future__ import annotations

import ast
import re
import sys
from collections.abc import Iterator
from pathlib import Path

from bullseye.launch import places

_UNITS = (
    *('ft', 'kt', 'kias', 'kcas', 'ktas', 'deg', 'deg_true', 'deg_mag', 's', 'min', 'lb', 'gal', 'gph', 'pct', 'fps'),
    *('fps2', 'fpm', 'hpa', 'c', 'm', 'nm', 'km', 'ratio', 'share', 'chance', 'corr', 'effect', 'spread', 'sd', 'laps'),
)
_IN_A_UNIT = re.compile(rf'(^|_)({"|".join(_UNITS)})$')


def _name(node: ast.expr) -> str:
    if isinstance(node, ast.Call):
        return _name(node.func)
    if isinstance(node, ast.Subscript) and isinstance(node.slice, ast.Constant):
        return str(node.slice.value)
    return getattr(node, 'id', getattr(node, 'attr', ''))


def _is_number(node: ast.expr) -> bool:
    if isinstance(node, ast.Constant):
        return isinstance(node.value, int | float) and not isinstance(node.value, bool)
    return bool(_IN_A_UNIT.search(_name(node).lower()))


def _is_question(node: ast.expr) -> bool:
    return isinstance(node, ast.Compare | ast.BoolOp) or (
        isinstance(node, ast.UnaryOp) and isinstance(node.op, ast.Not)
    )


def found_in(text: str) -> Iterator[tuple[int, str]]:
    """Lines on which a number is followed by ``or``, and what stands there; ``x % 360 or 360`` is meant so."""
    for node in ast.walk(ast.parse(text)):
        if not (isinstance(node, ast.BoolOp) and isinstance(node.op, ast.Or)):
            continue
        first = node.values[0]
        is_wrapped = isinstance(first, ast.BinOp) and isinstance(first.op, ast.Mod)
        if is_wrapped or any(_is_question(value) for value in node.values):
            continue
        if any(_is_number(value) for value in node.values):
            yield node.lineno, ast.unparse(node)


def main() -> int:
    """Print where a zero would be taken for unknown; 0 when it is nowhere."""
    source = places.ROOT / 'src' / 'bullseye'
    paths: list[Path] = [path for path in sorted(source.rglob('*.py')) if 'launch' not in path.parts]
    count = 0
    for path in paths:
        for line, text in found_in(path.read_text(encoding='utf-8')):
            count += 1
            print(f'{path}:{line}: zero is a number: known_or(...) in place of {text}')
    return 1 if count else 0


if __name__ == '__main__':
    sys.exit(main())
