"""What would teach most next: how far the chance to hit is expected to rise when more is measured of the next laps."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from typing import Literal

import numpy as np
from numpy.typing import NDArray
from scipy.special import ndtr

from bullseye.core.basis.constants import DECELERATION_SD_FPS2, HABIT_SD_KT, READ_SD_KT, TIMED_SD_FPS2
from bullseye.core.basis.sentence import Phrasebook, Sentence, count, per_cent
from bullseye.core.basis.unknown import known_or
from bullseye.core.brief.aimproblems import box_ft
from bullseye.core.brief.basis import Basis
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import LandingSetup, power_share
from bullseye.core.model.touchdown import predict

Floats = NDArray[np.float64]
Measuring = Literal['nothing', 'speed', 'speed_and_time']

LAPS_AHEAD = 2  # [own] over which it is asked
_WORTH_SAYING = 0.01  # [own] of chance, which nothing less is worth measuring for
_BOOK = Phrasebook('teaching')


@dataclass(frozen=True, slots=True, kw_only=True)
class Teaching:
    """What measuring so much of the next laps is expected to do to the chance to hit, with the aim that follows."""

    measuring: Measuring
    hit_chance_then: float
    gain: float  # over today


@dataclass(frozen=True, slots=True, kw_only=True)
class TeachingPart:
    """What would teach most next."""

    laps_ahead: int
    by_measuring: tuple[Teaching, ...]
    teaches_words: Sentence


def _covariance(request: BriefRequest, basis: Basis) -> Floats:
    """What is believed of deceleration [ft/s²], bias [ft] and speed habit [kt], as a covariance."""
    known = request.calibration
    a_sd = known.deceleration_sd_fps2
    if a_sd is None:
        a_sd = DECELERATION_SD_FPS2 if known.deceleration_fps2 is None else 0.0
    habit_sd = known.speed_habit_sd_kt
    if habit_sd is None:
        habit_sd = HABIT_SD_KT if known.speed_habit_kt is None else 0.0
    sds = np.array([a_sd, basis.bias_sd_ft, habit_sd])
    a_bias, a_habit, bias_habit = (
        known_or(value, 0.0)
        for value in (known.deceleration_bias_corr, known.deceleration_habit_corr, known.bias_habit_corr)
    )
    together = np.array([[1.0, a_bias, a_habit], [a_bias, 1.0, bias_habit], [a_habit, bias_habit, 1.0]])
    covariance: Floats = np.outer(sds, sds) * together
    return covariance


def _observed(
    measuring: Measuring, *, per_fps2: float, per_kt: float, scatter_ft: float, speed_scatter_kt: float, is_idle: bool
) -> list[tuple[Floats, float]]:
    """Rows of the design and standard deviations of what one lap shows."""
    if measuring == 'nothing':
        return [(np.array([per_fps2, 1.0, per_kt]), math.hypot(scatter_ft, per_kt * speed_scatter_kt))]
    found = [
        (np.array([per_fps2, 1.0, 0.0]), math.hypot(scatter_ft, per_kt * READ_SD_KT)),
        (np.array([0.0, 0.0, 1.0]), math.hypot(speed_scatter_kt, READ_SD_KT)),
    ]
    if measuring == 'speed_and_time' and is_idle:
        found.append((np.array([1.0, 0.0, 0.0]), TIMED_SD_FPS2))
    return found


def _after(covariance: Floats, rows: list[tuple[Floats, float]]) -> Floats:
    """The covariance once these have been seen: it does not depend on what they will show."""
    found = covariance
    for row, sd in rows:
        seen = found @ row
        found = found - np.outer(seen, seen) / (float(row @ seen) + sd**2)
    return found


def teaching_part(request: BriefRequest, setup: LandingSetup, basis: Basis) -> TeachingPart:
    """By how much the next laps are expected to raise the chance to hit, by what is measured of them.

    The belief is taken as normal: what it becomes does not depend on what the laps will show, and the aim follows its
    mean. The chance is that of the school of aiming: as flown lately where the aim follows the habit, else if the
    briefed speed is flown. Source: preposterior analysis of Bayesian textbooks [pub: Raiffa & Schlaifer (1961), from
    memory].
    """
    approach = setup.approach
    steps = {'deceleration_fps2': 0.05, 'speed_ktas': 0.5}
    per_fps2, per_kt = (
        (
            predict(replace(approach, **{name: getattr(approach, name) + step})).touchdown_ft
            - predict(replace(approach, **{name: getattr(approach, name) - step})).touchdown_ft
        )
        / (2 * step)
        for name, step in steps.items()
    )
    per_kt *= known_or(request.calibration.speed_effect, 1.0)
    follows_habit = request.technique.aim_speed == 'habit'
    wanted = np.array([per_fps2, 1.0, per_kt if follows_habit else 0.0])
    from_lap_to_lap_ft = math.hypot(basis.scatter_ft, per_kt * basis.speed_scatter_kt)
    low_ft, high_ft = box_ft(request)

    def chance(covariance: Floats) -> float:
        sd_ft = math.sqrt(max(0.0, float(wanted @ covariance @ wanted)) + from_lap_to_lap_ft**2)
        return float(2 * ndtr((high_ft - low_ft) / 2 / sd_ft) - 1)

    now = _covariance(request, basis)
    today = chance(now)
    found = []
    kinds: tuple[Measuring, ...] = ('nothing', 'speed', 'speed_and_time')
    for measuring in kinds:
        rows = _observed(
            measuring,
            per_fps2=per_fps2,
            per_kt=per_kt,
            scatter_ft=basis.scatter_ft,
            speed_scatter_kt=basis.speed_scatter_kt,
            is_idle=power_share(request.landing) == 1.0,
        )
        then = chance(_after(now, rows * LAPS_AHEAD))
        found.append(Teaching(measuring=measuring, hit_chance_then=then, gain=then - today))
    return TeachingPart(laps_ahead=LAPS_AHEAD, by_measuring=tuple(found), teaches_words=_words(found))


def _words(found: list[Teaching]) -> Sentence:
    nothing, speed, timed = found
    laps = count(LAPS_AHEAD)
    if timed.gain - speed.gain >= _WORTH_SAYING:
        return _BOOK.say('speed_and_time', laps=laps, gain=per_cent((timed.gain - nothing.gain) * 100))
    if speed.gain - nothing.gain >= _WORTH_SAYING:
        return _BOOK.say('speed', laps=laps, gain=per_cent((speed.gain - nothing.gain) * 100))
    if nothing.gain >= _WORTH_SAYING:
        return _BOOK.say('flying', laps=laps, gain=per_cent(nothing.gain * 100))
    return _BOOK.say('nothing')
