"""A number that the instructor sets against what is worked out, with the reason, which stays with it."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from annotated_types import Ge, Le
from pydantic import StringConstraints

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.quantity import STORABLE, Checked, Real
from bullseye.core.basis.sentence import Phrasebook, Sentence

LandingNumber = Literal['approach_speed_kias', 'aim_point_ft', 'go_around_point_ft', 'landing_roll_ft']
TakeoffNumber = Literal[
    'takeoff_over_50_ft', 'rotate_kias', 'vx_kias', 'vy_kias', 'abort_point_ft', 'first_turn_height_ft'
]
PatternNumber = Literal['downwind_kias', 'base_kias', 'best_glide_kias', 'glide_turn_ft']
OverruledNumber = LandingNumber | TakeoffNumber | PatternNumber
Reason = Annotated[str, StringConstraints(min_length=3, max_length=300, strip_whitespace=True), STORABLE]
_BOOK = Phrasebook('number')


def number_words(number: OverruledNumber) -> Sentence:
    """What a number is called."""
    return _BOOK.say(number)


_SPEED, _PLACE = (20.0, 250.0), (0.0, 20_000.0)  # [own] what is not a slip of the pen
_RANGES: dict[OverruledNumber, tuple[float, float]] = {
    'approach_speed_kias': _SPEED,
    'aim_point_ft': _PLACE,
    'go_around_point_ft': _PLACE,
    'landing_roll_ft': (50.0, 20_000.0),
    'takeoff_over_50_ft': (100.0, 20_000.0),
    'rotate_kias': _SPEED,
    'vx_kias': _SPEED,
    'vy_kias': _SPEED,
    'abort_point_ft': (50.0, 20_000.0),
    'first_turn_height_ft': (50.0, 5_000.0),
    'downwind_kias': _SPEED,
    'base_kias': _SPEED,
    'best_glide_kias': _SPEED,
    'glide_turn_ft': (0.0, 9_000.0),
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
