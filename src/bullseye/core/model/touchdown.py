"""Where the wheels will touch: eyes and wheels, roundout, hold-off, and the arithmetic back to the aim point.

The model is ours [own]; docs/model.md gives its equations, its worked example and its limits. Speeds are
true, in the air; distances are along the ground; the wind is that reported for 10 m, and less of it is met below.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, fields
from typing import Annotated, Any

import numpy as np
from annotated_types import Ge, Gt, Le
from numpy.typing import NDArray

from bullseye.core.basis.constants import (
    FPS_PER_KT,
    FT_PER_M,
    GRAVITY_FPS2,
    HOLD_OFF_HEIGHT_FT,
    ROUNDOUT_LOAD_FACTOR,
)
from bullseye.core.basis.limits import HeadwindKt
from bullseye.core.basis.quantity import Checked, Deceleration, Real

# [own]
Floats = NDArray[np.float64]
REPORT_HEIGHT_FT = 10 * FT_PER_M  # of the wind in a report [pub: WMO-No. 8]
_LEAST_OVER_ROUGHNESS = 2.0  # the log profile is not used nearer the ground than this many roughness lengths
_LEAST_CLOSING = 0.01  # of path and slope together: a flatter path never comes down to the runway
_ROUNDS = 8  # each gains a digit; 6 settle the touchdown to a hundredth of a foot


@dataclass(frozen=True, slots=True, kw_only=True)
class Approach(Checked):
    """An approach as it comes to its roundout; all speeds true.

    ``headwind_kt`` is that of the report, at 10 m, negative for a tailwind. ``path_angle_deg`` is that of the path over
    the ground, from the horizontal; ``slope`` rises along the runway in the landing direction, 0.01 for 1 %. The eyes
    are held on the aim point and the wheels follow ``eye_height_ft`` below. ``roughness_ft`` is the roughness length of
    the surroundings; 0 leaves the wind the same at all heights. A touchdown speed at or above the approach speed is
    accepted: then there is nothing to hold off and the wheels arrive with the end of the roundout.
    """

    speed_ktas: Annotated[Real, Gt(0), Le(300)]
    touchdown_ktas: Annotated[Real, Gt(0), Le(300)]
    headwind_kt: HeadwindKt
    path_angle_deg: Annotated[Real, Ge(1), Le(30)]
    deceleration_fps2: Deceleration
    eye_height_ft: Annotated[Real, Ge(0), Le(30)]
    slope: Annotated[Real, Ge(-0.15), Le(0.15)] = 0.0
    wing_height_ft: Annotated[Real, Ge(0), Le(30)] = 0.0  # over the wheels
    roughness_ft: Annotated[Real, Ge(0), Le(10)] = 0.0
    load_factor: Annotated[Real, Gt(1), Le(2)] = ROUNDOUT_LOAD_FACTOR
    hold_off_height_ft: Annotated[Real, Ge(0), Le(50)] = HOLD_OFF_HEIGHT_FT


@dataclass(frozen=True, slots=True, kw_only=True)
class Touchdown:
    """What the model says of one approach; distances along the ground, from the aim point, positive beyond it."""

    roundout_height_ft: float  # of the wheels, over the surface where the roundout starts
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


_FIELDS = tuple(one.name for one in fields(Approach))
_OF_TOUCHDOWN = tuple(one.name for one in fields(Touchdown))


def touchdown_from_aim_ft(
    *,
    speed_ktas: Floats | float,
    touchdown_ktas: Floats | float,
    headwind_kt: Floats | float,
    path_angle_deg: Floats | float,
    deceleration_fps2: Floats | float,
    eye_height_ft: Floats | float,
    slope: Floats | float = 0.0,
    wing_height_ft: Floats | float = 0.0,
    roughness_ft: Floats | float = 0.0,
    load_factor: Floats | float = ROUNDOUT_LOAD_FACTOR,
    hold_off_height_ft: Floats | float = HOLD_OFF_HEIGHT_FT,
) -> Floats:
    """Touchdown less aim point [ft] for arrays that broadcast against each other; see :class:`Approach`."""
    found: Floats = reckon(
        speed_ktas=np.asarray(speed_ktas, float),
        touchdown_ktas=np.asarray(touchdown_ktas, float),
        headwind_kt=np.asarray(headwind_kt, float),
        path_angle_deg=np.asarray(path_angle_deg, float),
        deceleration_fps2=np.asarray(deceleration_fps2, float),
        eye_height_ft=np.asarray(eye_height_ft, float),
        slope=np.asarray(slope, float),
        wing_height_ft=np.asarray(wing_height_ft, float),
        roughness_ft=np.asarray(roughness_ft, float),
        load_factor=np.asarray(load_factor, float),
        hold_off_height_ft=np.asarray(hold_off_height_ft, float),
    )['touchdown_ft']
    return found


class OneNumber:
    """The functions of NumPy that the model uses, for plain floats: ten times as fast for one approach."""

    sin, cos, tan, arcsin, arctan = math.sin, math.cos, math.tan, math.asin, math.atan
    sqrt, log, radians = math.sqrt, math.log, math.radians
    maximum = max

    @staticmethod
    def clip(value: float, low: float, high: float) -> float:
        """As NumPy's."""
        return min(max(value, low), high)

    @staticmethod
    def where(chosen: bool, this: float, other: float) -> float:
        """As NumPy's."""
        return this if chosen else other


def share_of_report(height_ft: Any, roughness_ft: Any, by: Any = np) -> Any:
    """Share of the reported wind that blows at a height over the ground; 1 where no roughness is given.

    The logarithmic profile u(h) = u₁₀ ln(h/z₀)/ln(10 m/z₀), not above the height of the report.
    Source: [pub: WMO-No. 8; roughness classes after Davenport].

    :param by: NumPy for arrays, :class:`OneNumber` for floats
    """
    safe = by.where(roughness_ft > 0, roughness_ft, 1.0)
    low = by.clip(height_ft, _LEAST_OVER_ROUGHNESS * safe, REPORT_HEIGHT_FT)
    return by.where(roughness_ft > 0, by.log(low / safe) / by.log(REPORT_HEIGHT_FT / safe), 1.0)


def reckon(
    *,
    speed_ktas: Any,
    touchdown_ktas: Any,
    headwind_kt: Any,
    path_angle_deg: Any,
    deceleration_fps2: Any,
    eye_height_ft: Any,
    slope: Any,
    wing_height_ft: Any,
    roughness_ft: Any,
    load_factor: Any,
    hold_off_height_ft: Any,
    by: Any = np,
) -> dict[str, Any]:
    """All of :class:`Touchdown` and :class:`Arc` by their members' names, for arrays that broadcast against each other.

    :param by: NumPy, or :class:`OneNumber` where all of them are plain floats
    """
    v0, vt, reported = speed_ktas * FPS_PER_KT, touchdown_ktas * FPS_PER_KT, headwind_kt * FPS_PER_KT
    tan_path, h1 = by.tan(by.radians(path_angle_deg)), hold_off_height_ft
    low = reported * share_of_report(h1 + wing_height_ft, roughness_ft, by)
    h0, vr = h1 + 13.0, v0  # a first guess, put right below
    for _ in range(_ROUNDS):
        high = reported * share_of_report(h0 + wing_height_ft, roughness_ft, by)
        # the angle of the path in the air, which makes the path over the ground
        x = by.arctan(tan_path)
        for _ in range(3):
            x = by.arcsin(by.clip((v0 * by.cos(x) - high) * tan_path / v0, -0.9, 0.9))
        mean_v = by.sqrt((v0**2 + vr**2) / 2)
        along = by.arctan(slope * (1 - high / mean_v))  # of the surface, seen in the air
        radius = mean_v**2 / (GRAVITY_FPS2 * (load_factor - 1 + (x**2 - x * along + along**2) / 6))
        turned = by.maximum(0.0, x + along)
        dropped = radius * (by.cos(along) - by.cos(x))
        gained = 2 * GRAVITY_FPS2 * dropped - 2 * deceleration_fps2 * radius * turned
        vr = by.sqrt(by.maximum(1.0, v0**2 + gained))
        roundout_s = radius * turned / mean_v
        # only forces change the groundspeed: the wind that is left behind above is airspeed lost, below
        roundout_ft = radius * (by.sin(x) + by.sin(along)) - high * roundout_s
        h0 = by.maximum(h1, h1 + dropped + slope * roundout_ft)
    entry = vr - (high - low)  # the wind that is left behind above was airspeed
    excess = by.maximum(0.0, entry - vt)
    mean = vt + excess / 2
    level = by.maximum(0.3, deceleration_fps2 + GRAVITY_FPS2 * slope * (1 - low / mean))
    float_s = excess / level
    float_ft = (mean - low) * float_s
    start_ft = -(h0 + eye_height_ft) / by.maximum(_LEAST_CLOSING, tan_path + slope)
    return {
        'roundout_height_ft': h0,
        'roundout_start_ft': start_ft,
        'roundout_ft': roundout_ft,
        'roundout_s': roundout_s,
        'hold_off_ktas': entry / FPS_PER_KT,
        'float_ft': float_ft,
        'float_s': float_s,
        'touchdown_ft': start_ft + roundout_ft + float_ft,
        'air_angle_rad': x,
        'surface_angle_rad': along,
        'radius_ft': radius,
        'wind_above_fps': high,
        'wind_below_fps': low,
        'level_fps2': level,
    }


def predict(approach: Approach) -> Touchdown:
    """Follow one approach through roundout and hold-off to the touchdown."""
    found = reckon(**{name: float(getattr(approach, name)) for name in _FIELDS}, by=OneNumber)
    return Touchdown(**{name: found[name] for name in _OF_TOUCHDOWN})


@dataclass(frozen=True, slots=True, kw_only=True)
class Arc:
    """How the roundout is flown, for whoever draws it: a circle in the air from the angle of the path to the surface's.

    The winds are along the runway, against the landing, where the roundout starts and where it is held off [ft/s].
    """

    air_angle_rad: float
    surface_angle_rad: float
    radius_ft: float
    wind_above_fps: float
    wind_below_fps: float
    level_fps2: float  # by which the speed falls in the hold-off


def arc_of(approach: Approach) -> Arc:
    """The circle of one approach's roundout."""
    found = reckon(**{name: float(getattr(approach, name)) for name in _FIELDS}, by=OneNumber)
    return Arc(**{one.name: found[one.name] for one in fields(Arc)})


def hold_off_groundspeed_kt(approach: Approach) -> float:
    """Mean groundspeed of the hold-off [kt]: of its first and last airspeed, less the wind that is met there."""
    entry_ktas = max(predict(approach).hold_off_ktas, approach.touchdown_ktas)
    height_ft = approach.hold_off_height_ft + approach.wing_height_ft
    wind_kt = approach.headwind_kt * float(share_of_report(height_ft, approach.roughness_ft))
    return (entry_ktas + approach.touchdown_ktas) / 2 - wind_kt


def comes_down(approach: Approach) -> bool:
    """Whether the path meets the runway at all: one that falls as steeply as the path is never reached."""
    return float(np.tan(np.radians(approach.path_angle_deg))) + approach.slope > _LEAST_CLOSING


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
    height_ft = approach.hold_off_height_ft
    ends = {
        'speed_ktas': (approach.speed_ktas - 0.5, approach.speed_ktas + 0.5),
        'headwind_kt': (approach.headwind_kt - 0.5, approach.headwind_kt + 0.5),
        'hold_off_height_ft': (max(0.0, height_ft - 0.5), height_ft + 0.5),
    }
    # all six in one go: the reckoning costs the same for six as for one
    values = {name: np.full(2 * len(ends), float(getattr(approach, name))) for name in _FIELDS}
    for place, (name, pair) in enumerate(ends.items()):
        values[name][2 * place : 2 * place + 2] = pair
    landed_ft = reckon(**values)['touchdown_ft']
    slopes = [
        float(landed_ft[2 * place + 1] - landed_ft[2 * place]) / (high - low)
        for place, (low, high) in enumerate(ends.values())
    ]
    return Sensitivity(ft_per_kt_speed=slopes[0], ft_per_kt_headwind=slopes[1], ft_per_ft_roundout_height=slopes[2])


def wheels_over_ft(approach: Approach, *, aim_ft: float, at_ft: float) -> float:
    """Height of the wheels over the surface at a place on the straight path to the aim point [ft].

    Nearer the aim point than the start of the roundout the wheels are higher than this: it errs low.
    """
    return (aim_ft - at_ft) * (
        float(np.tan(np.radians(approach.path_angle_deg))) + approach.slope
    ) - approach.eye_height_ft


def aim_for_wheels_ft(approach: Approach, *, wheels_ft: float, at_ft: float) -> float:
    """The aim point whose straight path has the wheels at a height over a place [ft], in the frame of the place."""
    closing = max(_LEAST_CLOSING, float(np.tan(np.radians(approach.path_angle_deg))) + approach.slope)
    return at_ft + (wheels_ft + approach.eye_height_ft) / closing
