"""Technique: where instructors differ, as settings with our default and why."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from bullseye.core.basis.constants import (
    AIM_CALM_FT,
    AIM_FIXED_FT,
    AIM_FULL_HEADWIND_KT,
    AIM_WINDY_FT,
    FPS_PER_KT,
    GRADUAL_LEAD_S,
    GRAVITY_FPS2,
    IDLE_FIRST_LEAD_S,
)
from bullseye.core.basis.kinds import (
    AimDistance,
    AimSpeed,
    AimTarget,
    BaseCue,
    BaseSpeed,
    CorrectionSet,
    CrosswindFlap,
    CrosswindMethod,
    FirstTurn,
    GustAllowance,
    LandingKind,
    LatestTouchdown,
    LiftOff,
    PitchPower,
    PowerOffShape,
    RolloutFlap,
    RoundoutOrder,
    SpeedReference,
    StabilisedBy,
)
from bullseye.core.basis.quantity import Checked

_IDLE_BEFORE_ROUNDOUT_S: dict[RoundoutOrder, float] = {
    'halve_shift_idle_flare': 0.0,
    'idle_shift_flare': IDLE_FIRST_LEAD_S,
    'gradual_from_threshold': GRADUAL_LEAD_S,
}


@dataclass(frozen=True, slots=True, kw_only=True)
class Technique(Checked):
    """One school of thought; :mod:`bullseye.core.given.disputes` tells what each choice costs, and why our default."""

    gust_allowance: GustAllowance = 'half'
    weight_scaling: bool = True
    roundout_order: RoundoutOrder = 'halve_shift_idle_flare'
    correction_set: CorrectionSet = 'common'
    lift_off: LiftOff = 'fly_off'
    first_turn: FirstTurn = 'tpa_less_300'
    power_off_shape: PowerOffShape = 'arc'
    base_speed: BaseSpeed = 'handbook'
    crosswind_flap: CrosswindFlap = 'full'
    crosswind_method: CrosswindMethod = 'crab_then_wing_low'
    rollout_flap: RolloutFlap = 'hands_off'
    base_cue: BaseCue = 'spot_45_behind'
    pitch_power: PitchPower = 'pitch_for_speed'
    speed_reference: SpeedReference = 'airspeed'
    stabilised_by_ft: StabilisedBy = '300'
    aim_target: AimTarget = 'middle_of_box'
    aim_distance: AimDistance = 'calibrated'
    aim_speed: AimSpeed = 'briefed'
    latest_touchdown: LatestTouchdown = 'half'

    def aim_before_spot_ft(self, *, headwind_kt: float) -> float | None:
        """How far before the spot to aim by a rule of thumb [ft]; None when it is worked out from laps.

        Fixed: 200 ft, the inner end of what learners work towards. 300 to 500 ft: 500 in still air, shrinking evenly to
        300 in 15 kt of headwind. Source: [com], its dependence on wind [own].
        """
        if self.aim_distance == 'fixed':
            return AIM_FIXED_FT
        if self.aim_distance == 'before_300_500':
            share = min(max(headwind_kt / AIM_FULL_HEADWIND_KT, 0.0), 1.0)
            return AIM_CALM_FT + (AIM_WINDY_FT - AIM_CALM_FT) * share
        return None


def usual_flap(names: Sequence[str], kind: LandingKind, technique: Technique) -> str:
    """Flap a landing is made with when none is named.

    Up without flap and in a forward slip, since many handbooks warn of slips with full flap; one stage less than full
    in a crosswind by that school; else full.

    :param names: settings of the aircraft from up to full
    """
    if kind in ('no_flap', 'forward_slip'):
        return names[0]
    if kind == 'crosswind' and technique.crosswind_flap == 'reduced':
        return names[max(0, len(names) - 2)]
    return names[-1]


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
