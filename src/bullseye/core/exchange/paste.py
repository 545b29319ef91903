"""Performance tables pasted from a spreadsheet: read cell by cell, each wrong cell named."""

from __future__ import annotations

import re
from collections.abc import Sequence

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.given.aircraft import LandingTable, TakeoffTable

_MOST_ROWS = 2_000  # [own] of a pasted table


def _cells(text: str) -> list[list[str]]:
    """Rows of cells: split at tabs, else at semicolons, else at commas; empty rows are left out."""
    rows = [row for row in text.replace('\r', '').split('\n') if row.strip()]
    if not rows:
        raise InvalidInput('text', 'nothing', 'the cells of a table')
    if len(rows) > _MOST_ROWS:
        raise InvalidInput('text', f'{len(rows)} rows', f'at most {_MOST_ROWS}')
    mark = next((one for one in ('\t', ';', ',') if one in text), None)
    if mark is None:
        raise InvalidInput('text', rows[0][:40], 'cells apart by tabs, semicolons or commas')
    return [[cell.strip() for cell in row.split(mark)] for row in rows]


def _number(cell: str, row: int, column: int) -> float:
    """A number as spreadsheets write it: ``1,520`` and ``1 520`` are thousands, ``14,5`` has a decimal comma."""
    plain = cell.replace('\u00a0', '').replace(' ', '').replace('\u2212', '-')
    if re.fullmatch(r'-?\d{1,3}(,\d{3})+', plain):
        plain = plain.replace(',', '')
    plain = plain.replace(',', '.')
    if not re.fullmatch(r'-?\d+(\.\d+)?', plain):
        raise InvalidInput('text', cell, f'a number in row {row}, column {column}')
    return float(plain)


def _is_number(cell: str) -> bool:
    try:
        _number(cell, 0, 0)
    except InvalidInput:
        return False
    return True


def _require_two(altitudes: Sequence[float], temperatures: Sequence[float]) -> None:
    for name, values in (('pressure altitudes', altitudes), ('temperatures', temperatures)):
        if not 2 <= len(values) <= 20:
            raise InvalidInput('text', f'{len(values)} {name}', f'2 to 20 {name}')


def read_landing_table(text: str) -> LandingTable:
    """Read ground rolls: temperatures along the first row, pressure altitudes down the first column.

    A cell may also hold the whole distance over 50 ft behind a slash, ``530/1220``; then every cell must.

    :raises InvalidInput: naming row and column of the wrong cell
    """
    rows = _cells(text)
    temperatures = tuple(_number(cell, 1, column) for column, cell in enumerate(rows[0][1:], start=2) if cell)
    altitudes, rolls, wholes = [], [], []
    for number, row in enumerate(rows[1:], start=2):
        if len(row) != len(temperatures) + 1:
            raise InvalidInput('text', f'row {number} with {len(row)} cells', f'{len(temperatures) + 1} cells a row')
        altitudes.append(_number(row[0], number, 1))
        parts = [cell.partition('/') for cell in row[1:]]
        rolls.append(tuple(_number(roll, number, column) for column, (roll, _, _) in enumerate(parts, start=2)))
        slashes = {bool(slash) for _, slash, _ in parts}
        if slashes == {True, False}:
            raise InvalidInput('text', f'row {number}', 'a distance over 50 ft in every cell, or in none')
        if slashes == {True}:
            wholes.append(tuple(_number(over, number, column) for column, (_, _, over) in enumerate(parts, start=2)))
    _require_two(altitudes, temperatures)
    if wholes and len(wholes) != len(rolls):
        raise InvalidInput('text', f'{len(wholes)} rows', 'a distance over 50 ft in every cell, or in none')
    for i, row_ft in enumerate(rolls):
        for j, roll_ft in enumerate(row_ft):
            before = [rolls[i - 1][j]] if i else []
            before += [row_ft[j - 1]] if j else []
            if before and roll_ft < max(before):
                raise InvalidInput(
                    'text', roll_ft, f'in row {i + 2}, column {j + 2}, not less than {max(before):g} before it'
                )
    return LandingTable(
        pressure_altitude_ft=tuple(altitudes),
        temperature_c=temperatures,
        ground_roll_ft=tuple(rolls),
        over_50_ft_ft=tuple(wholes) or None,
    )


def read_takeoff_table(text: str) -> TakeoffTable:
    """Read takeoff distances, one case a row: pressure altitude, temperature, weight, ground roll, over 50 ft.

    Every altitude must come with every temperature and weight; a first row of words is skipped.

    :raises InvalidInput: naming row and column of the wrong cell, or the case that is missing
    """
    rows = _cells(text)
    first = 1
    if not any(_is_number(cell) for cell in rows[0]):
        rows, first = rows[1:], 2
    cases: dict[tuple[float, float, float], tuple[float, float]] = {}
    for number, row in enumerate(rows, start=first):
        if len(row) != 5:
            raise InvalidInput('text', f'row {number} with {len(row)} cells', '5 cells a row')
        altitude, temperature, weight, roll, over = (_number(cell, number, c) for c, cell in enumerate(row, start=1))
        if (altitude, temperature, weight) in cases:
            raise InvalidInput('text', f'row {number}', f'{altitude:g} ft, {temperature:g} °C, {weight:g} lb only once')
        cases[altitude, temperature, weight] = (roll, over)
    altitudes, temperatures, weights = (sorted({case[axis] for case in cases}) for axis in range(3))
    _require_two(altitudes, temperatures)
    for case in ((a, t, w) for a in altitudes for t in temperatures for w in weights):
        if case not in cases:
            raise InvalidInput('text', 'no row', 'a row for {:g} ft, {:g} °C, {:g} lb'.format(*case))
    return TakeoffTable(
        pressure_altitude_ft=tuple(altitudes),
        temperature_c=tuple(temperatures),
        weight_lb=tuple(weights),
        ground_roll_ft=_planes(cases, altitudes, temperatures, weights, 0),
        over_50_ft_ft=_planes(cases, altitudes, temperatures, weights, 1),
    )


def _planes(
    cases: dict[tuple[float, float, float], tuple[float, float]],
    altitudes: Sequence[float],
    temperatures: Sequence[float],
    weights: Sequence[float],
    which: int,
) -> tuple[tuple[tuple[float, ...], ...], ...]:
    return tuple(
        tuple(tuple(cases[altitude, temperature, weight][which] for weight in weights) for temperature in temperatures)
        for altitude in altitudes
    )
