"""What each quantity may be, once for core, API and screens: the front end's ``limits.ts`` is made from this list.

The bounds keep out slips of the finger and of units; whether a value is wise is for the brief to say.
"""

from __future__ import annotations

import json
import math
from collections.abc import Mapping
from typing import Annotated, Any, cast, get_args

from annotated_types import Ge, Gt, Le

from bullseye.core.basis.quantity import Real

# wind and air
WindKt = Annotated[Real, Ge(0), Le(100)]
GustKt = Annotated[Real, Ge(0), Le(150)]
HeadwindKt = Annotated[Real, Ge(-100), Le(100)]  # negative: a tailwind
TemperatureC = Annotated[Real, Ge(-60), Le(60)]
QnhHpa = Annotated[Real, Ge(870), Le(1_085)]
VisibilityM = Annotated[Real, Ge(0), Le(100_000)]
CeilingFt = Annotated[Real, Ge(0), Le(60_000)]
CrosswindLimitKt = Annotated[Real, Ge(0), Le(60)]
# places on a runway, from the landing threshold
SpotFt = Annotated[Real, Ge(0), Le(20_000)]
AimFt = Annotated[Real, Ge(-5_000), Le(20_000)]
AlongFt = Annotated[Real, Ge(-3_000), Le(20_000)]
LateralFt = Annotated[Real, Ge(-200), Le(200)]
RollFt = Annotated[Real, Ge(0), Le(20_000)]
AimStepFt = Annotated[Real, Ge(1), Le(2_000)]
# an aircraft and a lap
WeightLb = Annotated[Real, Gt(0), Le(20_000)]
SpeedKias = Annotated[Real, Ge(20), Le(250)]
FloatS = Annotated[Real, Ge(0), Le(60)]
# a lesson
BookedMin = Annotated[Real, Gt(0), Le(480)]
FuelGal = Annotated[Real, Ge(0), Le(500)]
BagsLb = Annotated[Real, Ge(0), Le(2_000)]
PersonLb = Annotated[Real, Ge(0), Le(500)]

_SHOWN: Mapping[str, Any] = {
    'windKt': WindKt,
    'gustKt': GustKt,
    'temperatureC': TemperatureC,
    'qnhHpa': QnhHpa,
    'visibilityM': VisibilityM,
    'ceilingFt': CeilingFt,
    'crosswindLimitKt': CrosswindLimitKt,
    'spotFt': SpotFt,
    'aimFt': AimFt,
    'alongFt': AlongFt,
    'lateralFt': LateralFt,
    'rollFt': RollFt,
    'aimStepFt': AimStepFt,
    'weightLb': WeightLb,
    'speedKias': SpeedKias,
    'floatS': FloatS,
    'bookedMin': BookedMin,
    'fuelGal': FuelGal,
    'bagsLb': BagsLb,
    'personLb': PersonLb,
}


def limits_script() -> str:
    """The limits as the front end imports them."""
    found = json.dumps(shown_limits(), indent=2)
    return f'/** Made by ./bullseye types from core/basis/limits.py. */\nexport const LIMITS = {found} as const\n'


def shown_limits() -> dict[str, dict[str, float]]:
    """Least and greatest whole-numbered value of each quantity that a screen asks for."""
    found: dict[str, dict[str, float]] = {}
    for name, quantity in _SHOWN.items():
        shown: dict[str, float] = {}
        for bound in get_args(quantity):
            if isinstance(bound, Gt):
                shown['min'] = math.floor(cast(float, bound.gt)) + 1
            elif isinstance(bound, Ge):
                shown['min'] = cast(float, bound.ge)
            elif isinstance(bound, Le):
                shown['max'] = cast(float, bound.le)
        found[name] = shown
    return found
