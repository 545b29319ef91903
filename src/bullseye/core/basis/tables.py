"""Performance tables of the handbook, read between their values and never beyond."""

from __future__ import annotations

from bisect import bisect_left
from collections.abc import Sequence
from itertools import pairwise

import numpy as np
from numpy.typing import NDArray

from bullseye.core.basis.errors import InvalidInput, OutsideTable
from bullseye.core.basis.sentence import Phrasebook, count

_BOOK = Phrasebook('tables')


def require_rising(field: str, values: Sequence[float]) -> None:
    """Refuse an axis that does not rise from value to value."""
    for before, after in pairwise(values):
        if not after > before:
            raise InvalidInput(field, after, f'above the value before it, {before:g}')


def read_table(values: object, axes: Sequence[tuple[str, Sequence[float], float]]) -> float:
    """Multilinear interpolation.

    :param values: nested sequences, one level an axis
    :param axes: name, printed values and wanted value of each axis; a wanted value below the first printed one takes
        that one, which for altitude, temperature and weight errs long
    :raises OutsideTable: above the last printed value
    """
    grid: NDArray[np.float64] = np.asarray(values, float)
    for name, printed, value in axes:
        if value > printed[-1]:
            raise OutsideTable(_BOOK.say('above', what=name, value=count(value), last=count(printed[-1])))
    for _, printed, value in reversed(axes):
        grid = _interpolated(grid, value, printed)
    return float(grid)


def _interpolated(grid: NDArray[np.float64], value: float, printed: Sequence[float]) -> NDArray[np.float64]:
    """Along the last axis; below the first printed value its own cells."""
    if len(printed) == 1 or value <= printed[0]:
        return np.asarray(grid[..., 0])
    above = bisect_left(printed, value)
    share = (value - printed[above - 1]) / (printed[above] - printed[above - 1])
    return np.asarray(grid[..., above - 1] * (1 - share) + grid[..., above] * share)
