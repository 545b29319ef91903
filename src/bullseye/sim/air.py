"""Moving air: a wind that grows and veers with height, and gusts that come and go."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np

KT = 1852 / 0.3048 / 3600  # ft/s
_MAST_FT = 33.0  # where a wind is measured


@dataclass(frozen=True, kw_only=True)
class Wind:
    """The day's wind at the mast, and how it changes above it and in time."""

    from_deg_true: float = 0.0
    speed_kt: float = 0.0
    shear: float = 0.14  # exponent of the power law over open ground
    veer_deg_per_1000_ft: float = 6.0
    gust_sd_kt: float = 0.0  # along each axis
    gust_s: float = 4.0

    def at(self, height_ft: float) -> tuple[float, float]:
        """Velocity of the air over the ground, north and east [ft/s], without gusts."""
        factor = (min(max(height_ft, 6.0), 2_000.0) / _MAST_FT) ** self.shear
        towards = math.radians(self.from_deg_true + 180 + self.veer_deg_per_1000_ft * height_ft / 1_000)
        speed = self.speed_kt * KT * factor
        return speed * math.cos(towards), speed * math.sin(towards)


class Gusts:
    """A first-order Gauss–Markov process: correlated over a time, of a given spread; one number a step."""

    def __init__(self, rng: np.random.Generator, *, sd: float, time_s: float, step_s: float) -> None:
        self._keep = math.exp(-step_s / time_s)
        self._kick = sd * math.sqrt(1 - self._keep**2)
        self._rng = rng
        self._noise: list[float] = []
        self.value = float(rng.normal(0, sd)) if sd else 0.0

    def step(self) -> float:
        """Advance by one step."""
        if not self._kick:
            return self.value
        if not self._noise:
            self._noise = self._rng.standard_normal(2_000).tolist()
        self.value = self.value * self._keep + self._kick * self._noise.pop()
        return self.value
