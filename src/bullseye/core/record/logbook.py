"""The logbook: a line for each flight, totals, and CSV out and in. What nobody knows stays empty and is asked for."""

from __future__ import annotations

import csv
import hashlib
import io
from collections.abc import Iterable
from dataclasses import dataclass, fields
from datetime import date, time
from typing import Annotated, Any, Literal

from annotated_types import Ge, Le
from pydantic import Field, StringConstraints, TypeAdapter, ValidationError

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.quantity import STORABLE, Checked
from bullseye.core.basis.unknown import known_or
from bullseye.core.exchange.cells import plain_cell, safe_cell

Text = Annotated[str, StringConstraints(max_length=80), STORABLE]
Filled = Annotated[str, StringConstraints(min_length=1, max_length=80), STORABLE]
Day = Annotated[date, Ge(date(2000, 1, 1)), Le(date(2099, 12, 31))]
Words = Annotated[str, StringConstraints(max_length=400), STORABLE]
Minutes = Annotated[int, Ge(0), Le(1_440)]
Count = Annotated[int, Ge(0), Le(200)]
Role = Literal['dual', 'solo', 'instructor', 'pic']
MOST_ROWS = 5_000  # [own] lines of one file


@dataclass(frozen=True, slots=True, kw_only=True)
class LogLine(Checked):
    """One flight in a logbook; None is not known. Times of day are UTC, durations minutes."""

    flown_on: Day
    aircraft: Filled
    registration: Text | None = None
    from_field: Text | None = None
    to_field: Text | None = None
    off_block: time | None = None
    on_block: time | None = None
    block_min: Minutes | None = None
    flight_min: Minutes | None = None
    night_min: Minutes | None = None
    role: Role
    with_person: Text | None = None
    takeoffs_day: Count | None = None
    takeoffs_night: Count | None = None
    landings_day: Count | None = None
    landings_night: Count | None = None
    exercises: Annotated[tuple[Text, ...], Field(max_length=20)] = ()
    remarks: Words = ''

    @property
    def unknown(self) -> tuple[str, ...]:
        """What is still to be asked."""
        needed = ('registration', 'from_field', 'to_field', 'block_min', 'takeoffs_day', 'landings_day')
        return tuple(name for name in needed if getattr(self, name) is None)

    @property
    def digest(self) -> str:
        """The same for two lines of the same flight: day, aircraft, hour (to the minute), from, to."""
        off = '' if self.off_block is None else f'{self.off_block:%H:%M}'
        parts = (str(self.flown_on), self.aircraft, off, self.from_field or '', self.to_field or '', self.role)
        return hashlib.sha256('\x1f'.join(part.strip().lower() for part in parts).encode()).hexdigest()


_LINE = TypeAdapter(LogLine)
_NAMES = tuple(one.name for one in fields(LogLine))
COLUMNS = _NAMES  # of the CSV, in this order; docs/data.md tells them


@dataclass(frozen=True, slots=True, kw_only=True)
class Totals:
    """Sums over lines; ``not_counted`` tells of how many lines a sum lacks a value."""

    flights: int
    block_min: int
    flight_min: int
    night_min: int
    by_role_min: dict[str, int]
    takeoffs: int
    landings: int
    landings_night: int
    not_counted: int


def totals(lines: Iterable[LogLine]) -> Totals:
    """Sums over lines; what is unknown adds nothing and is counted as missing."""
    found = list(lines)
    by_role: dict[str, int] = {}
    for line in found:
        by_role[line.role] = by_role.get(line.role, 0) + known_or(line.block_min, 0)
    return Totals(
        flights=len(found),
        block_min=sum(known_or(line.block_min, 0) for line in found),
        flight_min=sum(known_or(line.flight_min, 0) for line in found),
        night_min=sum(known_or(line.night_min, 0) for line in found),
        by_role_min=by_role,
        takeoffs=sum(known_or(line.takeoffs_day, 0) + known_or(line.takeoffs_night, 0) for line in found),
        landings=sum(known_or(line.landings_day, 0) + known_or(line.landings_night, 0) for line in found),
        landings_night=sum(known_or(line.landings_night, 0) for line in found),
        not_counted=sum(line.block_min is None for line in found),
    )


def to_csv(lines: Iterable[LogLine]) -> str:
    """Lines as CSV, UTF-8, the columns of :data:`COLUMNS`; what is unknown is empty."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator='\r\n')  # [pub: RFC 4180]
    writer.writerow(COLUMNS)
    for line in lines:
        plain: dict[str, Any] = _LINE.dump_python(line, mode='json')
        writer.writerow([_cell(plain[name]) for name in COLUMNS])
    return out.getvalue()


def _cell(value: object) -> str:
    if value is None:
        return ''
    if isinstance(value, list):
        return safe_cell('; '.join(value))
    return safe_cell(value) if isinstance(value, str) else str(value)


@dataclass(frozen=True, slots=True, kw_only=True)
class Read:
    """What a file held: lines, and for each row that is none why."""

    lines: tuple[LogLine, ...]
    problems: tuple[str, ...]


def from_csv(text: str) -> Read:
    """Read lines from CSV; a row that cannot be read stops none of the others.

    :raises InvalidInput: when the file has no such columns, or too many rows
    """
    rows = list(csv.reader(io.StringIO(text.removeprefix('\ufeff'), newline=''), strict=False))
    if not rows:
        raise InvalidInput('file', 'empty', f'a CSV file with the columns {", ".join(COLUMNS[:3])} …')
    heading = [one.strip().lower() for one in rows[0]]
    missing = [name for name in ('flown_on', 'aircraft', 'role') if name not in heading]
    if missing:
        raise InvalidInput('file', ', '.join(heading)[:200], f'columns named {", ".join(missing)}')
    if len(rows) - 1 > MOST_ROWS:
        raise InvalidInput('file', f'{len(rows) - 1} rows', f'at most {MOST_ROWS}')
    lines, problems = [], []
    for number, row in enumerate(rows[1:], start=2):
        if not any(cell.strip() for cell in row):
            continue
        cells = {name: plain_cell(cell.strip()) for name, cell in zip(heading, row, strict=False) if name in _NAMES}
        given: dict[str, Any] = {name: cell for name, cell in cells.items() if cell}
        if 'exercises' in given:
            given['exercises'] = [one.strip() for one in given['exercises'].split(';') if one.strip()]
        try:
            lines.append(_LINE.validate_python(given))
        except (ValidationError, InvalidInput) as error:
            problems.append(f'Row {number}: {_first(error)}')
    return Read(lines=tuple(lines), problems=tuple(problems))


def _first(error: ValidationError | InvalidInput) -> str:
    if isinstance(error, InvalidInput):
        return str(error)
    told = error.errors()[0]
    return f'{".".join(str(part) for part in told["loc"])}: {told["msg"]}'
