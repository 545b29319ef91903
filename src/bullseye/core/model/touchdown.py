"""Where the wheels will touch: roundout, hold-off, and the arithmetic back to the aim point.

The model is ours [own]; docs/model.md gives its equations, its worked example and its limits.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from typing import Annotated

import numpy as np
from annotated_types import Ge, Gt, Le
from numpy.typing import NDArray

from bullseye.core.basis.constants import FPS_PER_KT, GRAVITY_FPS2, HOLD_OFF_HEIGHT_FT, ROUNDOUT_LOAD_FACTOR
from bullseye.core.basis.limits import HeadwindKt
from bullseye.core.basis.quantity import Checked, Deceleration, Real

Floats = NDArray[np.float64]


@dataclass(frozen=True, slots=True, kw_only=True)
class Approach(Checked):
    """An approach as it comes to its roundout; all speeds true.

    ``headwind_kt`` is negative for a tailwind. A touchdown speed at or above the approach speed is accepted: then
    there is nothing to hold off and the wheels arrive with the end of the roundout.
    """

    speed_ktas: Annotated[Real, Gt(0), Le(300)]
    touchdown_ktas: Annotated[Real, Gt(0), Le(300)]
    headwind_kt: HeadwindKt
    path_angle_deg: Annotated[Real, Ge(1), Le(15)]
    deceleration_fps2: Deceleration
    load_factor: Annotated[Real, Gt(1), Le(2)] = ROUNDOUT_LOAD_FACTOR
    hold_off_height_ft: Annotated[Real, Ge(0), Le(50)] = HOLD_OFF_HEIGHT_FT


@dataclass(frozen=True, slots=True, kw_only=True)
class Touchdown:
    """What the model says of one approach; distances along the ground, from the aim point, positive beyond it."""

    roundout_height_ft: float
    roundout_start_ft: float  # negative: before the aim point
    roundout_ft: float
    roundout_s: float
    hold_off_ktas: float
    float_ft: float
    float_s: float
    touchdown_ft: float

    @property
    def hold_off_start_ft(self) -> float:
        """Where the descent has become level [ft]."""
        return self.roundout_start_ft + self.roundout_ft


def _hold_off(entry_fps: Floats, touchdown_fps: Floats, head_fps: Floats, a_fps2: Floats) -> tuple[Floats, Floats]:
    """Seconds and feet of ground from level flight to touchdown; nothing when already too slow."""
    excess_fps = np.maximum(0.0, entry_fps - touchdown_fps)
    seconds = excess_fps / a_fps2
    mean_fps = touchdown_fps + excess_fps / 2
    return seconds, (mean_fps - head_fps) * seconds


def touchdown_from_aim_ft(
    *,
    speed_ktas: Floats | float,
    touchdown_ktas: Floats | float,
    headwind_kt: Floats | float,
    path_angle_deg: Floats | float,
    deceleration_fps2: Floats | float,
    load_factor: float = ROUNDOUT_LOAD_FACTOR,
    hold_off_height_ft: Floats | float = HOLD_OFF_HEIGHT_FT,
) -> Floats:
    """Touchdown less aim point [ft] for arrays that broadcast against each other; see :class:`Approach`."""
    return _reckon(
        np.asarray(speed_ktas, float),
        np.asarray(touchdown_ktas, float),
        np.asarray(headwind_kt, float),
        np.asarray(path_angle_deg, float),
        np.asarray(deceleration_fps2, float),
        load_factor,
        np.asarray(hold_off_height_ft, float),
    )['touchdown_ft']


def _reckon(
    speed_ktas: Floats,
    touchdown_ktas: Floats,
    headwind_kt: Floats,
    path_angle_deg: Floats,
    a_fps2: Floats,
    load_factor: float,
    hold_off_height_ft: Floats,
) -> dict[str, Floats]:
    v0_fps, vt_fps, head_fps = speed_ktas * FPS_PER_KT, touchdown_ktas * FPS_PER_KT, headwind_kt * FPS_PER_KT
    gamma = np.radians(path_angle_deg)
    radius_ft = v0_fps**2 / (GRAVITY_FPS2 * (load_factor - 1))
    height_ft = hold_off_height_ft + radius_ft * (1 - np.cos(gamma))
    roundout_s = radius_ft * gamma / v0_fps
    roundout_ft = radius_ft * np.sin(gamma) - head_fps * roundout_s
    entry_fps = v0_fps - a_fps2 * roundout_s
    float_s, float_ft = _hold_off(entry_fps, vt_fps, head_fps, a_fps2)
    start_ft = -height_ft / np.tan(gamma)
    return {
        'roundout_height_ft': height_ft,
        'roundout_start_ft': start_ft,
        'roundout_ft': roundout_ft,
        'roundout_s': roundout_s,
        'hold_off_ktas': entry_fps / FPS_PER_KT,
        'float_ft': float_ft,
        'float_s': float_s,
        'touchdown_ft': start_ft + roundout_ft + float_ft,
    }


def predict(approach: Approach) -> Touchdown:
    """Follow one approach through roundout and hold-off to the touchdown."""
    values = _reckon(
        np.float64(approach.speed_ktas),  # type: ignore[arg-type]
        np.float64(approach.touchdown_ktas),  # type: ignore[arg-type]
        np.float64(approach.headwind_kt),  # type: ignore[arg-type]
        np.float64(approach.path_angle_deg),  # type: ignore[arg-type]
        np.float64(approach.deceleration_fps2),  # type: ignore[arg-type]
        approach.load_factor,
        np.float64(approach.hold_off_height_ft),  # type: ignore[arg-type]
    )
    return Touchdown(**{name: float(value) for name, value in values.items()})


def aim_for(*, target_ft: float, touchdown_minus_aim_ft: float) -> float:
    """Solve it backwards: the aim point that puts the touchdown on the target; same frame as the target [ft]."""
    return target_ft - touchdown_minus_aim_ft


@dataclass(frozen=True, slots=True, kw_only=True)
class Sensitivity:
    """How far the touchdown moves for a small change of one thing."""

    ft_per_kt_speed: float  # true airspeed at the roundout
    ft_per_kt_headwind: float
    ft_per_ft_roundout_height: float


def sensitivity(approach: Approach) -> Sensitivity:
    """Central differences about an approach: half a knot, half a knot, half a foot either way."""

    def slope(field: str, low: float, high: float) -> float:
        ends = [predict(replace(approach, **{field: value})).touchdown_ft for value in (low, high)]
        return (ends[1] - ends[0]) / (high - low)

    height_ft = approach.hold_off_height_ft
    return Sensitivity(
        ft_per_kt_speed=slope('speed_ktas', approach.speed_ktas - 0.5, approach.speed_ktas + 0.5),
        ft_per_kt_headwind=slope('headwind_kt', approach.headwind_kt - 0.5, approach.headwind_kt + 0.5),
        ft_per_ft_roundout_height=slope('hold_off_height_ft', max(0.0, height_ft - 0.5), height_ft + 0.5),
    )


def go_around_point_ft(*, landing_distance_available_ft: float, factored_ground_roll_ft: float) -> float:
    """Last place from which the factored ground roll still fits, from the landing threshold [ft].

    Negative when it does not fit the runway at all.
    """
    return landing_distance_available_ft - factored_ground_roll_ft


def groundspeed_kt(*, true_airspeed_kt: float, headwind_kt: float, path_angle_deg: float = 0.0) -> float:
    """Groundspeed on a path [kt]."""
    return true_airspeed_kt * math.cos(math.radians(path_angle_deg)) - headwind_kt
