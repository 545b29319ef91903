"""Which columns a table of fixes has, by its headings or by its figures."""

from __future__ import annotations

import csv
import re
from collections.abc import Sequence
from dataclasses import replace

from bullseye.tracks.readers.bycontent import columns_by_content
from bullseye.tracks.readers.columns import Columns, guess_columns, with_units
from bullseye.tracks.track import UnreadableTrack

# [own] limits and habits of reading
_SEPARATORS = (';', '\t', '|', ',')
_LOOK_AT = 60  # lines, to find the headings
_FIGURES_AT = 500  # lines, to tell columns by their figures
LONGEST_CELL = 10_000


def detect(text: str) -> Columns:
    """Guess how a CSV file is to be read.

    :raises UnreadableTrack: when no row of headings names time, latitude and longitude
    """
    lines = text.split('\n', _LOOK_AT)[:_LOOK_AT]
    best: Columns | None = None
    for separator in _SEPARATORS:
        rows = [cells_of(line, separator) for line in lines]
        for number, row in enumerate(rows):
            if len(row) < 3:
                continue
            below = rows[number + 1] if number + 1 < len(rows) else []
            beside = rows[number - 1] if number else []
            units = next((one for one in (below, beside) if _is_units(one, len(row))), [])
            columns = guess_columns([cell.lstrip('#').strip() for cell in row], units)
            roles = {one.role for one in columns}
            if {'time', 'latitude', 'longitude'} <= roles and (best is None or len(columns) > len(best.columns)):
                first = number + (2 if units is below and units else 1)
                best = Columns(
                    separator=separator,
                    decimal=decimal_of(rows[first : first + 5], separator),
                    first_row=first,
                    columns=columns,
                    names=tuple(cell.strip()[:60] for cell in row),
                )
    best = _completed(best, text) if best else _by_content(lines_of(text))
    if best is None:
        raise UnreadableTrack(
            'the file is no GPX, IGC or NMEA, and as CSV neither its headings nor its figures tell time, latitude and '
            'longitude'
        )
    return best


def _completed(how: Columns, text: str) -> Columns:
    """The same with what its figures tell beside the headings: a groundspeed is one in any language."""
    needed = max(len(how.names), max(one.index for one in how.columns) + 1)
    cells = [cells_of(line, how.separator) for line in lines_of(text)[how.first_row :]]
    figures = [row for row in cells if len(row) == needed]
    more = columns_by_content(figures, decimal=how.decimal, known=how.columns)
    return replace(how, columns=(*how.columns, *(one for one in more if one.role in ('speed', 'course'))))


def lines_of(text: str) -> list[str]:
    """The first lines of a file, more than headings can be."""
    return text.split('\n', _FIGURES_AT)[:_FIGURES_AT]


def _by_content(lines: Sequence[str]) -> Columns | None:
    """How a file is to be read whose headings do not say it all: by its figures; None where they do not either."""
    for separator in _SEPARATORS:
        rows = [cells_of(line, separator) for line in lines]
        first = first_figures(rows)
        if first is None:
            continue
        width = len(rows[first])
        figures = [row for row in rows[first:] if len(row) == width]
        decimal = decimal_of(figures[:10], separator)
        names = next((row for row in reversed(rows[:first]) if len(row) == width and any(row)), [])
        known = guess_columns([cell.lstrip('#').strip() for cell in names], [])
        found = (*known, *columns_by_content(figures, decimal=decimal, known=known))
        if {'time', 'latitude', 'longitude'} <= {one.role for one in found}:
            return Columns(
                separator=separator,
                decimal=decimal,
                first_row=first,
                columns=found,
                names=tuple(cell.strip()[:60] for cell in names) or tuple(f'column {k + 1}' for k in range(width)),
                by_content=True,
            )
    return None


def first_figures(rows: Sequence[Sequence[str]]) -> int | None:
    """The first of five rows of as many cells, at least three, with two figures in each."""
    number = re.compile(r'\s*[-+]?\d+([.,]\d+)?\s*')
    good = [len(row) >= 3 and sum(bool(number.fullmatch(cell)) for cell in row) >= 2 for row in rows]
    for k in range(len(rows) - 4):
        if all(good[k : k + 5]) and len({len(row) for row in rows[k : k + 5]}) == 1:
            return k
    return None


def first_rows(text: str, *, separator: str | None = None, count: int = 12) -> tuple[str, list[list[str]]]:
    """The first rows of a CSV file as they stand, and the separator: the one given, else the one that cuts finest."""
    lines = text.split('\n', _LOOK_AT)[:_LOOK_AT]

    def cut(by: str) -> list[list[str]]:
        return [[cell[:60] for cell in cells_of(line, by)[:100]] for line in lines]

    found = separator or next((by for by in _SEPARATORS if _cuts_most(cut(by))), None)
    found = found or max(_SEPARATORS, key=lambda by: sum(len(row) for row in cut(by)))
    return found, cut(found)[:count]


def _cuts_most(rows: Sequence[Sequence[str]]) -> bool:
    """Whether most lines that are not empty have three cells or more; a decimal comma cuts too, and is asked last."""
    filled = [row for row in rows if any(cell.strip() for cell in row)]
    return bool(filled) and sum(len(row) >= 3 for row in filled) >= 0.8 * len(filled)


def heading_key(text: str) -> str:
    """A name for files with the same headings, under which corrections are remembered."""
    separator, rows = first_rows(text, count=_LOOK_AT)
    widest = max((len(row) for row in rows), default=0)
    named = next(
        (row for row in rows if len(row) == widest and sum(any(c.isalpha() for c in x) for x in row) > 1), None
    )
    names = separator.join(cell.strip() for cell in named) if named else f'{widest} columns without names'
    return f'csv:{separator}{names}'[:240]


def has_figures(text: str) -> bool:
    """Whether a text has rows of at least three cells with two numbers among them: then its columns can be named."""
    _, rows = first_rows(text, count=_LOOK_AT)
    number = re.compile(r'\s*[-+]?\d+([.,]\d+)?\s*')
    return sum(len(row) >= 3 and sum(bool(number.fullmatch(cell)) for cell in row) >= 2 for row in rows) >= 5


def cells_of(line: str, separator: str) -> list[str]:
    """The cells of a line; none of one that is no row."""
    try:
        return next(csv.reader([line.rstrip('\r')], delimiter=separator), [])
    except csv.Error:
        return []


def _is_units(row: Sequence[str], count: int) -> bool:
    """Whether a row holds units rather than figures or headings."""
    filled = [cell.strip().lstrip('#').strip() for cell in row if cell.strip()]
    if len(row) < count - 1 or not filled or any(re.fullmatch(r'[-+]?[\d.,:]+', cell) for cell in filled):
        return False
    return (
        sum(bool(re.search(r'^(deg|degrees|ft|m|kt|kts|mph|fpm|km/h|m/s|°|\(?ft|hh:|yyyy)', c.lower())) for c in filled)
        >= 2
    )


def decimal_of(rows: Sequence[Sequence[str]], separator: str) -> str:
    """What separates the decimals: a comma only where most rows have one between digits."""
    cells = [cell.strip() for row in rows for cell in row]
    commas = sum(bool(re.fullmatch(r'-?\d+,\d+', cell)) for cell in cells)
    return ',' if separator != ',' and commas > len(rows) else '.'


def with_headings(text: str, how: Columns) -> Columns:
    """Columns named by hand, with the units that the headings above the figures say."""
    above = [cells_of(line, how.separator) for line in text.split('\n', how.first_row)[: how.first_row]]
    widest = max((one.index for one in how.columns), default=0) + 1
    above = [row for row in above[-3:] if len(row) >= widest]
    units = next((row for row in above if _is_units(row, len(row))), [])
    names = next((row for row in reversed(above) if row is not units), [])
    return with_units(how, names, units)
