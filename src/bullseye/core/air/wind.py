"""Wind on a runway: true or magnetic, gusting, calm or variable."""

from __future__ import annotations

import math
from dataclasses import dataclass

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.limits import GustKt, WindKt
from bullseye.core.basis.quantity import Checked, Degrees

_RANGE_STEP_DEG = 5  # [own]


@dataclass(frozen=True, slots=True, kw_only=True)
class Wind(Checked):
    """The wind near the ground, by the direction it blows from.

    ``direction_deg_true`` is None for a variable wind: then its components are unknown, not zero. A range, as in
    ``340V120``, runs clockwise from one direction to the other; limits are held in the worst of it.
    """

    direction_deg_true: Degrees | None
    speed_kt: WindKt
    gust_kt: GustKt | None = None
    range_from_deg_true: Degrees | None = None
    range_to_deg_true: Degrees | None = None

    def check_together(self) -> None:
        if (self.range_from_deg_true is None) != (self.range_to_deg_true is None):
            raise InvalidInput('wind_range_to_deg_true', self.range_to_deg_true, 'both ends of the range, or neither')
        if self.gust_kt is not None and self.gust_kt < self.speed_kt:
            raise InvalidInput('gust_kt', self.gust_kt, f'at least the steady wind, {self.speed_kt:g}')

    def directions_deg_true(self) -> tuple[float, ...]:
        """Every direction the wind may blow from, to five degrees: its mean and its range; none when it is variable."""
        start, end, mean = self.range_from_deg_true, self.range_to_deg_true, self.direction_deg_true
        found = [] if mean is None else [mean]
        if start is not None and end is not None:
            width = (end - start) % 360
            found += [(start + offset) % 360 for offset in (*range(0, math.ceil(width), _RANGE_STEP_DEG), width)]
        return tuple(found)

    @property
    def gust_spread_kt(self) -> float:
        """Gust less steady wind [kt]; 0 when no gust is reported."""
        return 0.0 if self.gust_kt is None else self.gust_kt - self.speed_kt


@dataclass(frozen=True, slots=True, kw_only=True)
class Components:
    """Wind along and across a runway [kt]; None while the direction is unknown.

    ``head_kt`` is positive from ahead, ``cross_kt`` positive from the right. The least headwind and the strongest
    crosswind are those of the worst direction of the day, gusts included.
    """

    head_kt: float | None
    cross_kt: float | None
    gust_head_kt: float | None
    gust_cross_kt: float | None
    any_way_kt: float = 0.0  # the strongest of a wind from no known direction, gusts included
    least_head_kt: float = 0.0  # negative is a tailwind
    most_cross_kt: float = 0.0  # to either side
    most_from_right_kt: float = 0.0  # of the directions of the day, gusts included; 0 when none is from the right
    most_from_left_kt: float = 0.0
    swinging_heads_kt: tuple[float, ...] = ()  # steady headwind in evenly spaced directions of a range, lowest first
    gust_over_steady: float = 1.0  # by which each of them may be met in a gust

    @property
    def worst_tailwind_kt(self) -> float:
        """The strongest tailwind of the day [kt], gusts included; of a variable wind all of it. 0 for a headwind."""
        return max(0.0, -self.least_head_kt)

    @property
    def worst_crosswind_kt(self) -> float:
        """The strongest crosswind of the day [kt], gusts included; of a variable wind all of it."""
        return self.most_cross_kt

    @property
    def sure_headwind_kt(self) -> float:
        """The headwind that distances may count on [kt]: the least of the day; negative is the worst tailwind."""
        return self.least_head_kt


def true_from_magnetic_deg(*, magnetic_deg: float, variation_deg: float) -> float:
    """True direction from magnetic; variation is positive east. North is 360, as it is spoken."""
    return (magnetic_deg + variation_deg) % 360 or 360.0


def magnetic_from_true_deg(*, true_deg: float, variation_deg: float) -> float:
    """Magnetic direction from true; variation is positive east. North is 360, as it is spoken."""
    return (true_deg - variation_deg) % 360 or 360.0


def given_direction_deg_true(
    *, wind_dir_deg_true: float | None, wind_dir_deg_mag: float | None, variation_deg: float
) -> float | None:
    """The true direction of a wind that was given by either north; None when it was given by neither.

    :raises InvalidInput: when it is given by both
    """
    if wind_dir_deg_mag is None:
        return wind_dir_deg_true
    if wind_dir_deg_true is not None:
        raise InvalidInput('wind_dir_deg_mag', wind_dir_deg_mag, 'only one of wind_dir_deg_true and wind_dir_deg_mag')
    return true_from_magnetic_deg(magnetic_deg=wind_dir_deg_mag, variation_deg=variation_deg)


def shown_magnetic_deg(direction_deg_true: float | None, *, variation_deg: float) -> float | None:
    """A direction as a compass shows it at a runway, to a ten thousandth of a degree; None stays unknown."""
    if direction_deg_true is None:
        return None
    # going to true and back leaves dust in the last digits that nobody typed
    return round(magnetic_from_true_deg(true_deg=direction_deg_true, variation_deg=variation_deg), 4)


def components(wind: Wind, *, course_deg_true: float) -> Components:
    """Resolve the wind on a runway course.

    Without a reported gust the gust components equal the steady ones.
    Source: head = V cos δ, cross = V sin δ, exact trigonometry.
    """
    gust_kt = wind.speed_kt if wind.gust_kt is None else wind.gust_kt
    strongest_kt = max(wind.speed_kt, gust_kt)
    offs = [math.radians(direction - course_deg_true) for direction in wind.directions_deg_true()]
    heads = [speed_kt * math.cos(off) for off in offs for speed_kt in (wind.speed_kt, gust_kt)]
    most_cross_kt = max((strongest_kt * abs(math.sin(off)) for off in offs), default=strongest_kt)
    if wind.direction_deg_true is None:
        if strongest_kt == 0:
            return Components(head_kt=0.0, cross_kt=0.0, gust_head_kt=0.0, gust_cross_kt=0.0)
        return Components(
            head_kt=None,
            cross_kt=None,
            gust_head_kt=None,
            gust_cross_kt=None,
            any_way_kt=strongest_kt,
            least_head_kt=min(heads, default=-strongest_kt),
            most_cross_kt=most_cross_kt,
        )
    crosses_kt = [strongest_kt * math.sin(off) for off in offs]
    off = offs[0]
    head, cross = math.cos(off), math.sin(off)
    return Components(
        least_head_kt=min(heads),
        most_cross_kt=most_cross_kt,
        most_from_right_kt=max(0.0, *crosses_kt),
        most_from_left_kt=max(0.0, -min(crosses_kt)),
        swinging_heads_kt=tuple(sorted(wind.speed_kt * math.cos(one) for one in offs[1:])),
        gust_over_steady=gust_kt / wind.speed_kt if wind.speed_kt > 0 else 1.0,
        head_kt=wind.speed_kt * head,
        cross_kt=wind.speed_kt * cross,
        gust_head_kt=gust_kt * head,
        gust_cross_kt=gust_kt * cross,
    )
