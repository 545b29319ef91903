"""Turns in moving air: a circle through the air, carried along by the wind."""

from __future__ import annotations

import math
from dataclasses import dataclass

from bullseye.core.basis.constants import FPS_PER_KT, GRAVITY_FPS2

STEEPEST_DEG = 30.0  # [pub: FAA-H-8083-3] more is for nobody in the pattern


@dataclass(frozen=True, slots=True, kw_only=True)
class GroundWind:
    """Wind in the frame of a runway [ft/s]: along the landing direction, and to its right; where it blows *to*."""

    along_fps: float
    right_fps: float

    @classmethod
    def on(cls, *, headwind_kt: float, crosswind_from_right_kt: float) -> GroundWind:
        """From components as a brief gives them."""
        return cls(along_fps=-headwind_kt * FPS_PER_KT, right_fps=-crosswind_from_right_kt * FPS_PER_KT)


def radius_ft(*, speed_ktas: float, bank_deg: float) -> float:
    """Radius of a level turn through the air [ft]: V²/(g·tan φ). Source: [pub: PHAK, FAA-H-8083-25]."""
    return (speed_ktas * FPS_PER_KT) ** 2 / (GRAVITY_FPS2 * math.tan(math.radians(bank_deg)))


def rate_deg_s(*, speed_ktas: float, bank_deg: float) -> float:
    """Rate of a level turn [°/s]: g·tan φ/V. Source: [pub: PHAK]."""
    return math.degrees(GRAVITY_FPS2 * math.tan(math.radians(bank_deg)) / (speed_ktas * FPS_PER_KT))


def stall_factor(bank_deg: float) -> float:
    """By how much the stalling speed grows in a level turn: √(1/cos φ). Source: [pub: FAA-H-8083-3]."""
    return math.sqrt(1 / math.cos(math.radians(bank_deg)))


def heading_for(*, track_deg: float, speed_ktas: float, wind: GroundWind) -> float | None:
    """Heading in the runway frame (0 along the landing direction, right positive) that makes a track good.

    None when the wind across the track is stronger than the aeroplane is fast.
    """
    track = math.radians(track_deg)
    across_fps = -wind.along_fps * math.sin(track) + wind.right_fps * math.cos(track)  # to the right of the track
    sine = -across_fps / (speed_ktas * FPS_PER_KT)
    if abs(sine) >= 1:
        return None
    return track_deg + math.degrees(math.asin(sine))


def groundspeed_on(*, track_deg: float, heading_deg: float, speed_ktas: float, wind: GroundWind) -> float:
    """Groundspeed along a track [kt]."""
    track = math.radians(track_deg)
    along_fps = wind.along_fps * math.cos(track) + wind.right_fps * math.sin(track)
    return speed_ktas * math.cos(math.radians(heading_deg - track_deg)) + along_fps / FPS_PER_KT


@dataclass(frozen=True, slots=True, kw_only=True)
class Turn:
    """A level turn at constant bank; ``turned_deg`` is positive to the right."""

    from_heading_deg: float
    turned_deg: float
    bank_deg: float
    speed_ktas: float

    @property
    def seconds(self) -> float:
        """How long it takes [s]."""
        return abs(self.turned_deg) / rate_deg_s(speed_ktas=self.speed_ktas, bank_deg=self.bank_deg)

    def place_after(self, seconds: float, wind: GroundWind) -> tuple[float, float]:
        """Feet gone along and to the right over the ground: the arc through the air plus wind × time, both exact."""
        side = math.copysign(1.0, self.turned_deg)
        rate = math.radians(rate_deg_s(speed_ktas=self.speed_ktas, bank_deg=self.bank_deg)) * side
        start = math.radians(self.from_heading_deg)
        now = start + rate * seconds
        speed_fps = self.speed_ktas * FPS_PER_KT
        along = speed_fps / rate * (math.sin(now) - math.sin(start)) + wind.along_fps * seconds
        right = -speed_fps / rate * (math.cos(now) - math.cos(start)) + wind.right_fps * seconds
        return along, right

    def displacement(self, wind: GroundWind) -> tuple[float, float]:
        """Feet gone along and to the right when it is done."""
        return self.place_after(self.seconds, wind)


def bank_to_fit(
    *, from_heading_deg: float, turned_deg: float, speed_ktas: float, wind: GroundWind, across_ft: float
) -> float | None:
    """Bank with which a turn moves the aeroplane just so far to the right (or, negative, left) [°].

    None when no bank from 5° to 75° does.
    """

    from scipy.optimize import brentq  # here: it takes long to load

    def miss(bank_deg: float) -> float:
        turn = Turn(from_heading_deg=from_heading_deg, turned_deg=turned_deg, bank_deg=bank_deg, speed_ktas=speed_ktas)
        return turn.displacement(wind)[1] - across_ft

    if miss(5.0) * miss(75.0) > 0:
        return None
    return float(brentq(miss, 5.0, 75.0))
