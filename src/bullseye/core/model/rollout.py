"""From the touchdown to the stop: what brakes and flap do, and where a speed is left that makes a turn-off."""

from __future__ import annotations

import math
from dataclasses import dataclass

from scipy.optimize import brentq

from bullseye.core.basis.constants import FPS_PER_KT, GRAVITY_FPS2

# [own] of the weight at touchdown speed with the nosewheel down: what the wing still carries, and its drag
_LIFT_FLAP_DOWN, _LIFT_FLAP_UP = 0.40, 0.16
_DRAG_FLAP_DOWN, _DRAG_FLAP_UP = 0.06, 0.03
_FLAP_UP_AFTER_S = 3.0  # [own] from the touchdown until the flap is up
_ROLLING_PAVED, _ROLLING_GRASS = 0.03, 0.08  # [com] friction without brakes
_LEAST_FRICTION, _MOST_FRICTION = 0.01, 1.2


@dataclass(frozen=True, slots=True, kw_only=True)
class Rollout:
    """One landing roll [ft] as the handbook brakes it, and what changes it [ft]; negative is shorter."""

    roll_ft: float
    flap_up_ft: float
    no_brakes_ft: float | None  # None where it would not stop by itself


def _roll_ft(speed_fps: float, to_fps: float, friction: float, lift: float, drag: float, slope: float) -> float:
    """Distance from one speed down to another: a/g = μ(1 − L v²/V²) + D v²/V² + slope, integrated exactly."""
    still = friction + slope
    fast = drag - friction * lift
    if abs(fast) < 1e-9:
        return (speed_fps**2 - to_fps**2) / (2 * GRAVITY_FPS2 * still)
    high, low = still + fast, still + fast * (to_fps / speed_fps) ** 2
    if min(high, low) <= 0:
        return math.inf
    return speed_fps**2 / (2 * GRAVITY_FPS2 * fast) * math.log(high / low)


def friction_of(*, roll_ft: float, speed_fps: float, slope: float) -> float | None:
    """Mean friction of the brakes that makes a roll as long as it is; None where no friction does."""

    def off(friction: float) -> float:
        return _roll_ft(speed_fps, 0.0, friction, _LIFT_FLAP_DOWN, _DRAG_FLAP_DOWN, slope) - roll_ft

    least = max(_LEAST_FRICTION, 0.01 - slope)
    if off(least) < 0 or off(_MOST_FRICTION) > 0:
        return None
    return float(brentq(off, least, _MOST_FRICTION))


def rollout(
    *, roll_ft: float, touchdown_ktas: float, headwind_kt: float, slope: float, is_grass: bool
) -> Rollout | None:
    """What flap and brakes change of a roll; None where the roll is not one of brakes at all.

    The friction is the one that makes the handbook's roll; lift takes weight off the wheels, and drag helps to stop.
    Raising the flap puts weight on the wheels and takes drag away: a gain of tens of feet.

    :param roll_ft: expected, without a safety factor
    :param slope: of the runway, positive uphill

    Source: [own] coefficients; motion with constant friction, lift and drag with the square of the speed.
    """
    speed_fps = max(1.0, touchdown_ktas - headwind_kt) * FPS_PER_KT
    friction = friction_of(roll_ft=roll_ft, speed_fps=speed_fps, slope=slope)
    if friction is None:
        return None
    after_fps = speed_fps
    for _ in range(4):  # the mean deceleration of the first seconds depends on the speed they end with
        mean_q = (1 + (after_fps / speed_fps) + (after_fps / speed_fps) ** 2) / 3
        mean_g = friction + slope + (_DRAG_FLAP_DOWN - friction * _LIFT_FLAP_DOWN) * mean_q
        after_fps = max(0.0, speed_fps - GRAVITY_FPS2 * mean_g * _FLAP_UP_AFTER_S)
    before_ft = _roll_ft(speed_fps, after_fps, friction, _LIFT_FLAP_DOWN, _DRAG_FLAP_DOWN, slope)
    share = (after_fps / speed_fps) ** 2
    after_ft = (
        0.0
        if after_fps == 0
        else _roll_ft(after_fps, 0.0, friction, _LIFT_FLAP_UP * share, _DRAG_FLAP_UP * share, slope)
    )
    free_ft = _roll_ft(
        speed_fps, 0.0, _ROLLING_GRASS if is_grass else _ROLLING_PAVED, _LIFT_FLAP_DOWN, _DRAG_FLAP_DOWN, slope
    )
    return Rollout(
        roll_ft=roll_ft,
        flap_up_ft=before_ft + after_ft - roll_ft,
        no_brakes_ft=free_ft - roll_ft if math.isfinite(free_ft) else None,
    )


def slowed_to_ft(*, roll_ft: float, touchdown_ktas: float, headwind_kt: float, to_kt: float) -> float:
    """Distance from the touchdown until a speed over the ground is left [ft], by constant braking [own]."""
    speed_kt = max(1.0, touchdown_ktas - headwind_kt)
    return roll_ft * max(0.0, 1 - (to_kt / speed_kt) ** 2)
