"""Performance tables of the handbook, read between their values and never beyond."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise

import numpy as np
from scipy.interpolate import RegularGridInterpolator

from bullseye.core.errors import InvalidInput, OutsideTable


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
    wanted = []
    for name, printed, value in axes:
        if value > printed[-1]:
            raise OutsideTable(f'{name} {value:.0f} is above the table, which ends at {printed[-1]:.0f}')
        wanted.append(max(value, printed[0]))
    grid = np.asarray(values, float)
    many = [i for i, (_, printed, _) in enumerate(axes) if len(printed) > 1]
    if not many:
        return float(grid.ravel()[0])
    grid = grid.reshape([len(axes[i][1]) for i in many])
    reader = RegularGridInterpolator([np.asarray(axes[i][1], float) for i in many], grid)
    return float(reader([wanted[i] for i in many])[0])
