"""Technique: where instructors differ, as settings with our default and why."""

from __future__ import annotations

import math
from dataclasses import dataclass

from bullseye.core.constants import FPS_PER_KT, GRADUAL_LEAD_S, GRAVITY_FPS2, IDLE_FIRST_LEAD_S
from bullseye.core.kinds import CorrectionSet, FirstTurn, GustAllowance, LiftOff, PowerOffShape, RoundoutOrder
from bullseye.core.quantity import Checked

_IDLE_BEFORE_ROUNDOUT_S: dict[RoundoutOrder, float] = {
    'halve_shift_idle_flare': 0.0,
    'idle_shift_flare': IDLE_FIRST_LEAD_S,
    'gradual_from_threshold': GRADUAL_LEAD_S,
}


@dataclass(frozen=True, slots=True, kw_only=True)
class Technique(Checked):
    """One school of thought.

    Defaults: half the gust spread, because FAA-H-8083-3 prints it; speeds scaled with weight, because a light
    aeroplane flown at the printed speed floats; power halved before the roundout and closed as it starts, because
    a draggy trainer closed earlier sinks.
    """

    gust_allowance: GustAllowance = 'half'
    weight_scaling: bool = True
    roundout_order: RoundoutOrder = 'halve_shift_idle_flare'
    correction_set: CorrectionSet = 'common'
    lift_off: LiftOff = 'fly_off'
    first_turn: FirstTurn = 'tpa_less_300'
    power_off_shape: PowerOffShape = 'arc'


def speed_lost_before_roundout_kt(
    *, technique: Technique, deceleration_fps2: float, path_angle_deg: float, power_on: bool
) -> float:
    """Airspeed lost on the path because power is closed before the roundout [kt].

    :param deceleration_fps2: in level flight at idle; on the path gravity gives back g·sin γ
    :param power_on: False for a power-off approach, whose speed is held by pitch all the way

    Source: [own]; see docs/model.md, "Order of hands".
    """
    if not power_on:
        return 0.0
    on_path_fps2 = max(0.0, deceleration_fps2 - GRAVITY_FPS2 * math.sin(math.radians(path_angle_deg)))
    return on_path_fps2 * _IDLE_BEFORE_ROUNDOUT_S[technique.roundout_order] / FPS_PER_KT
