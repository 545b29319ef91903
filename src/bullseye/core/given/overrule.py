"""A number that the instructor sets against what is worked out, with the reason, which stays with it."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from annotated_types import Ge, Le
from pydantic import StringConstraints

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.quantity import STORABLE, Checked, Real

OverruledNumber = Literal[
    'approach_speed_kias', 'aim_point_ft', 'go_around_point_ft', 'landing_roll_ft', 'takeoff_over_50_ft'
]
Reason = Annotated[str, StringConstraints(min_length=3, max_length=300, strip_whitespace=True), STORABLE]
NUMBER_WORDS: dict[OverruledNumber, str] = {
    'approach_speed_kias': 'Approach speed',
    'aim_point_ft': 'Aim point',
    'go_around_point_ft': 'Go-around point',
    'landing_roll_ft': 'Landing ground roll with its safety factor',
    'takeoff_over_50_ft': 'Takeoff distance over 50 ft',
}
_RANGES: dict[OverruledNumber, tuple[float, float]] = {
    'approach_speed_kias': (20, 250),
    'aim_point_ft': (0, 20_000),
    'go_around_point_ft': (0, 20_000),
    'landing_roll_ft': (50, 20_000),
    'takeoff_over_50_ft': (100, 20_000),
}


@dataclass(frozen=True, slots=True, kw_only=True)
class Overrule(Checked):
    """One number [kt indicated or ft] as the instructor has it, why, and who said so; places are from the threshold."""

    number: OverruledNumber
    value: Annotated[Real, Ge(0), Le(20_000)]
    reason: Reason
    by: Annotated[str, StringConstraints(min_length=1, max_length=120), STORABLE] = 'the instructor'

    def check_together(self) -> None:
        low, high = _RANGES[self.number]
        if not low <= self.value <= high:
            raise InvalidInput(self.number, self.value, f'{low:,g} to {high:,g}')
        if len(self.reason.strip()) < 3:
            raise InvalidInput('reason', self.reason, 'a reason in words')
