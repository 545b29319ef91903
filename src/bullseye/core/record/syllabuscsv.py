"""The syllabus as a table: CSV out, and back in with the same columns."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterable

from pydantic import TypeAdapter, ValidationError

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.exchange.cells import plain_cell
from bullseye.core.record.syllabus import Exercise

COLUMNS = ('code', 'name', 'group', 'needs', 'landing', 'takeoff', 'outcome', 'about')
_NEEDED = ('code', 'name', 'group')
_EXERCISE: TypeAdapter[Exercise] = TypeAdapter(Exercise)


def to_rows(exercises: Iterable[Exercise]) -> list[dict[str, object]]:
    """Exercises as rows with the columns of :data:`COLUMNS`; the codes that one needs are parted by blanks."""
    return [{name: getattr(one, name) for name in COLUMNS} | {'needs': ' '.join(one.needs)} for one in exercises]


def from_csv(text: str) -> tuple[Exercise, ...]:
    """Exercises from CSV, UTF-8, in the order of the rows; columns in any order, others are passed over.

    :raises InvalidInput: naming the column that is missing, or the row that cannot be read
    """
    rows = list(csv.reader(io.StringIO(text.removeprefix('\ufeff'), newline=''), strict=False))
    heading = [one.strip().lower() for one in rows[0]] if rows else []
    missing = [name for name in _NEEDED if name not in heading]
    if missing:
        raise InvalidInput('text', ', '.join(heading)[:200], f'columns named {", ".join(missing)}')
    found = []
    for number, row in enumerate(rows[1:], start=2):
        if any(cell.strip() for cell in row):
            cells = {name: plain_cell(cell.strip()) for name, cell in zip(heading, row, strict=False)}
            found.append(_exercise(cells, number))
    return tuple(found)


def _exercise(cells: dict[str, str], number: int) -> Exercise:
    given: dict[str, object] = {name: cells[name] for name in COLUMNS if cells.get(name)}
    given['needs'] = cells.get('needs', '').split()
    try:
        return _EXERCISE.validate_python(given)
    except ValidationError as error:
        first = error.errors()[0]
        where = '.'.join(str(part) for part in first['loc'])
        raise InvalidInput('text', f'row {number}', f'a {where} that can be read ({first["msg"]})') from None
    except InvalidInput as error:
        raise InvalidInput('text', f'row {number}', f'a row that can be read ({error})') from None
