"""The approach speed and how it comes about, step by step."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Literal

from bullseye.core.basis.constants import GUST_SHARE, TOUCHDOWN_OVER_STALL
from bullseye.core.basis.kinds import LandingKind
from bullseye.core.given.aircraft import Aircraft, FlapSetting
from bullseye.core.given.technique import Technique


@dataclass(frozen=True, slots=True, kw_only=True)
class SpeedStep:
    """One step of the derivation: what it changes, the speed after it, and why."""

    step: Literal['base', 'weight', 'gust', 'result']
    change_kt: float
    speed_kias: float
    reason: str
    source: str


@dataclass(frozen=True, slots=True, kw_only=True)
class ApproachSpeed:
    """Approach speed for one landing [KIAS], not rounded, with its steps."""

    speed_kias: float
    steps: tuple[SpeedStep, ...]


def approach_speed(
    *,
    aircraft: Aircraft,
    flap: FlapSetting,
    kind: LandingKind,
    weight_lb: float,
    gust_spread_kt: float,
    technique: Technique,
) -> ApproachSpeed:
    """Work out the speed to hold on final.

    The steady wind is no argument: it adds nothing.

    Source: handbook speed, else 1.3 Vs0 [pub: 14 CFR 23.73 before 2017]; √(W/Wmax) [pub: lift equation];
    half the gust spread [pub: FAA-H-8083-3, approach chapters].
    """
    published_kias = flap.published_approach_kias(kind)
    if published_kias is not None and technique.base_speed == 'handbook':
        base_kias, why, source = published_kias, f'handbook speed, flap {flap.name}, at maximum weight', 'handbook'
    else:
        base_kias, source = flap.rule_approach_kias, '14 CFR 23.73 before 2017'
        why = f'1.3 × {flap.stall_kcas:.0f} KCAS stalling speed, read back as indicated'
        why += '; the handbook prints none' if published_kias is None else ': technique setting'
    steps = [SpeedStep(step='base', change_kt=base_kias, speed_kias=base_kias, reason=why, source=source)]

    ratio = aircraft.weight_ratio(weight_lb)
    weighed_kias = base_kias
    if technique.weight_scaling:
        table = flap.airspeed_table
        weighed_kias = table.indicated_kt(table.calibrated_kt(base_kias) * math.sqrt(ratio))
        why = f'{weight_lb:,.0f} lb is {ratio * 100:.0f} % of maximum weight; speeds fall with its square root'
    else:
        why = 'printed speed kept at every weight: technique setting'
    steps.append(
        SpeedStep(
            step='weight',
            change_kt=weighed_kias - base_kias,
            speed_kias=weighed_kias,
            reason=why,
            source='lift equation' if technique.weight_scaling else 'technique',
        )
    )

    share = GUST_SHARE if technique.gust_allowance == 'half' else 0.0
    allowance_kt = share * gust_spread_kt
    result_kias = weighed_kias + allowance_kt
    if gust_spread_kt == 0:
        why = 'no gust reported; a steady wind adds nothing'
    elif share:
        why = f'half of the {gust_spread_kt:.0f} kt between gust and steady wind; the steady wind adds nothing'
    else:
        why = 'no gust allowance: technique setting'
    steps.append(
        SpeedStep(
            step='gust',
            change_kt=allowance_kt,
            speed_kias=result_kias,
            reason=why,
            source='FAA-H-8083-3' if share else 'technique',
        )
    )
    steps.append(
        SpeedStep(
            step='result',
            change_kt=0.0,
            speed_kias=result_kias,
            reason='hold this on final; the handbook and the instructor decide',
            source='sum',
        )
    )
    return ApproachSpeed(speed_kias=result_kias, steps=tuple(steps))


def touchdown_speed_kcas(*, aircraft: Aircraft, flap: FlapSetting, weight_lb: float) -> float:
    """Speed at which the wheels meet the runway [KCAS]: 1.05 of the stall at this weight [own]."""
    return TOUCHDOWN_OVER_STALL * aircraft.stall_kcas(flap=flap, weight_lb=weight_lb)
