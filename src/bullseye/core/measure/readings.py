"""Several readings of the same thing, side by side: the better known one counts, a correction by hand before all."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Final, Literal

How = Literal['tapped', 'timed', 'read', 'seen', 'tracked', 'corrected']
Measure = Literal['along_ft', 'lateral_ft', 'threshold_speed_kias', 'float_s', 'aim_flown_ft']

# Half-widths holding 95 % of what a person in the right seat notes down [own: no published figure; a stripe of the
# centreline with its gap is 200 ft, and a fifth of that is as well as a moving runway can be read]
BY_HAND: Final[Mapping[Measure, float]] = {
    'along_ft': 40.0,
    'lateral_ft': 8.0,
    'threshold_speed_kias': 3.0,
    'float_s': 0.5,
    'aim_flown_ft': 100.0,
}
# A reading less well known than this is shown and does not count: five knots of doubt over the threshold are 200 ft of
# float, and would put the blame where it does not belong [own]
WORST: Final[Mapping[Measure, float]] = {'threshold_speed_kias': 3.5}
MEASURES: Final[tuple[Measure, ...]] = tuple(BY_HAND)


@dataclass(frozen=True, slots=True, kw_only=True)
class Reading:
    """One reading; ``half_width`` holds 95 %, in the unit of the value. None: nobody can say how good it is."""

    value: float
    half_width: float | None
    how: How


def by_hand(measure: Measure, value: float, how: How) -> Reading:
    """A reading noted by a person, as well known as such notes are."""
    return Reading(value=value, half_width=None if how == 'corrected' else BY_HAND[measure], how=how)


def best(measure: Measure, readings: Mapping[str, Reading]) -> Reading | None:
    """The reading that counts: what was corrected by hand, else the one known best; None when none is good enough.

    Of two known equally well the one noted by a person counts: they were there.
    """
    if 'corrected' in readings:
        return readings['corrected']
    known = [
        (one.half_width, one.how == 'tracked', one)
        for one in readings.values()
        if one.half_width is not None and one.half_width <= WORST.get(measure, math.inf)
    ]
    return min(known, key=lambda one: one[:2], default=(None, None, None))[2]
