"""The approach speed and how it comes about, step by step."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Literal

from bullseye.core.air.turns import stall_factor
from bullseye.core.basis.constants import (
    BELOW_FLAP_LIMIT_KT,
    GUST_SHARE,
    LEAST_STALL_MARGIN,
    MOST_GUST_ALLOWANCE_KT,
    THREE_POINT_OVER_STALL,
    TOUCHDOWN_OVER_STALL,
    WHEEL_LANDING_FASTER_KT,
    WHEEL_LANDING_SLOWS_KT,
)
from bullseye.core.basis.kinds import LandingKind
from bullseye.core.basis.sentence import Phrasebook, Quantity, Sentence, count, knots, per_cent, told_apart
from bullseye.core.given.aircraft import Aircraft, FlapSetting
from bullseye.core.given.technique import Technique

_BOOK = Phrasebook('speeds')


@dataclass(frozen=True, slots=True, kw_only=True)
class SpeedStep:
    """One step of the derivation: what it changes, the speed after it, and why."""

    step: Literal['base', 'weight', 'wheels', 'gust', 'result']
    change_kt: float
    speed_kias: float
    reason: Sentence
    source: str


@dataclass(frozen=True, slots=True, kw_only=True)
class ApproachSpeed:
    """Approach speed for one landing [KIAS], not rounded, with its steps."""

    speed_kias: float
    steps: tuple[SpeedStep, ...]


def stall_margin(flap: FlapSetting, kias: float, *, root: float = 1.0, bank_deg: float = 0.0) -> float:
    """A speed over the stalling speed in that flap, in calibrated airspeed.

    :param root: √(W/Wmax), by which the stalling speed falls with weight
    :param bank_deg: of a level turn, in which it grows by :func:`stall_factor`
    """
    return flap.airspeed_table.calibrated_kt(kias) / (flap.stall_kcas * root * stall_factor(bank_deg))


def _base_step(flap: FlapSetting, kind: LandingKind, technique: Technique) -> SpeedStep:
    """What the handbook prints, else 1.3 of the stall."""
    published_kias = flap.published_approach_kias(kind)
    if published_kias is not None and stall_margin(flap, published_kias) < LEAST_STALL_MARGIN:
        base_kias, source = flap.rule_approach_kias, '14 CFR 23.73 before 2017'
        entered, least = Quantity(published_kias, 'kias'), count(LEAST_STALL_MARGIN, step=0.1)
        why = _BOOK.say('too_slow', stall=Quantity(flap.stall_kcas, 'kcas'), entered=entered, least=least)
    elif published_kias is not None and technique.base_speed == 'handbook':
        base_kias, why, source = published_kias, _BOOK.say('handbook', flap=flap.name), 'handbook'
    else:
        base_kias, source = flap.rule_approach_kias, '14 CFR 23.73 before 2017'
        why = _BOOK.say('rule' if published_kias is None else 'rule_chosen', stall=Quantity(flap.stall_kcas, 'kcas'))
    return SpeedStep(step='base', change_kt=base_kias, speed_kias=base_kias, reason=why, source=source)


def _weight_step(
    base_kias: float, *, aircraft: Aircraft, flap: FlapSetting, weight_lb: float, technique: Technique
) -> SpeedStep:
    """The base speed at this weight."""
    if not technique.weight_scaling:
        why = _BOOK.say('weight_left_out')
        return SpeedStep(step='weight', change_kt=0.0, speed_kias=base_kias, reason=why, source='technique')
    ratio, table = aircraft.weight_ratio(weight_lb), flap.airspeed_table
    weighed_kias = table.indicated_kt(table.calibrated_kt(base_kias) * math.sqrt(ratio))
    return SpeedStep(
        step='weight',
        change_kt=weighed_kias - base_kias,
        speed_kias=weighed_kias,
        reason=_BOOK.say('weight', weight=Quantity(weight_lb, 'lb'), share=per_cent(ratio * 100)),
        source='lift equation',
    )


def _wheels_step(weighed_kias: float, *, flap: FlapSetting) -> SpeedStep:
    """What a wheel landing is flown faster than a three-point landing [com]; never up to the limit of the flap."""
    faster_kt = WHEEL_LANDING_FASTER_KT
    if flap.limit_kias is not None:
        faster_kt = min(faster_kt, max(0.0, flap.limit_kias - BELOW_FLAP_LIMIT_KT - weighed_kias))
    why = _BOOK.say('wheels', faster=knots(faster_kt))
    speed_kias = weighed_kias + faster_kt
    return SpeedStep(step='wheels', change_kt=faster_kt, speed_kias=speed_kias, reason=why, source='common practice')


def _gust_step(weighed_kias: float, *, flap: FlapSetting, gust_spread_kt: float, technique: Technique) -> SpeedStep:
    """What the gusts add: half the spread, at most 10 kt, and never up to the limit of the flap."""
    share = GUST_SHARE if technique.gust_allowance == 'half' else 0.0
    wanted_kt = share * gust_spread_kt
    allowed_kt = min(wanted_kt, MOST_GUST_ALLOWANCE_KT)
    if flap.limit_kias is not None:
        allowed_kt = min(allowed_kt, max(0.0, flap.limit_kias - BELOW_FLAP_LIMIT_KT - weighed_kias))
    if gust_spread_kt == 0:
        why = _BOOK.say('no_gust')
    elif not share:
        why = _BOOK.say('gust_left_out')
    elif allowed_kt < wanted_kt:
        wanted, allowed = told_apart(knots(wanted_kt), knots(allowed_kt))
        why = _BOOK.say('gust_too_much', spread=knots(gust_spread_kt), wanted=wanted, allowed=allowed)
    else:
        why = _BOOK.say('gust', spread=knots(gust_spread_kt))
    return SpeedStep(
        step='gust',
        change_kt=allowed_kt,
        speed_kias=weighed_kias + allowed_kt,
        reason=why,
        source='FAA-H-8083-3' if share else 'technique',
    )


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
    base = _base_step(flap, kind, technique)
    weight = _weight_step(base.speed_kias, aircraft=aircraft, flap=flap, weight_lb=weight_lb, technique=technique)
    steps, before_gust_kias = [base, weight], weight.speed_kias
    if kind == 'wheel_landing':
        steps.append(_wheels_step(weight.speed_kias, flap=flap))
        before_gust_kias = steps[-1].speed_kias
    gust = _gust_step(before_gust_kias, flap=flap, gust_spread_kt=gust_spread_kt, technique=technique)
    result = SpeedStep(
        step='result',
        change_kt=0.0,
        speed_kias=gust.speed_kias,
        reason=_BOOK.say('result'),
        source='sum',
    )
    return ApproachSpeed(speed_kias=gust.speed_kias, steps=(*steps, gust, result))


def touchdown_speed_kcas(
    *, aircraft: Aircraft, flap: FlapSetting, weight_lb: float, kind: LandingKind, approach_kcas: float
) -> float:
    """Speed at which the wheels meet the runway [KCAS]: 1.05 of the stall at this weight [own].

    A three-point landing touches nearer the stall, a wheel landing about 10 kt faster than that [com], but slower than
    it came.
    """
    stall_kcas = aircraft.stall_kcas(flap=flap, weight_lb=weight_lb)
    usual_kcas, three_point_kcas = TOUCHDOWN_OVER_STALL * stall_kcas, THREE_POINT_OVER_STALL * stall_kcas
    if kind == 'three_point':
        return three_point_kcas
    if kind == 'wheel_landing':
        faster_kcas = min(three_point_kcas + WHEEL_LANDING_FASTER_KT, approach_kcas - WHEEL_LANDING_SLOWS_KT)
        return max(usual_kcas, faster_kcas)
    return usual_kcas
