"""Why it landed there: the touchdown error split into feet that add up to it exactly."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Literal

from bullseye.core.air.atmosphere import true_airspeed_kt
from bullseye.core.basis.constants import FPS_PER_KT
from bullseye.core.basis.kinds import NOT_LANDED, Outcome
from bullseye.core.brief.landing import BriefAnswer, make_brief
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import landing_setup, power_share
from bullseye.core.given.airfield import in_stripes
from bullseye.core.measure.flown import FlownLap
from bullseye.core.measure.lap import MeasuredLap
from bullseye.core.measure.readings import BY_HAND
from bullseye.core.model.touchdown import Approach, hold_off_groundspeed_kt, predict

Cause = Literal['aim', 'speed', 'wind', 'roundout', 'hold_off']
_NO_TOUCHDOWN: dict[Outcome, str] = {
    'go_around': 'Go-around: a good answer. Fly the same aim point again.',
    'low_approach': 'Low approach, as planned: nothing touched. Fly the same aim point again.',
    'drill': 'Hold-off drill: nothing to score. Fly the same aim point again.',
}
_SLOW_KT = 5.0  # [own] below the briefed speed, from which the stall is spoken of before the feet
_SMALL_FT = 40.0  # [own] under this a part is within what a tap on the strip can tell


@dataclass(frozen=True, slots=True, kw_only=True)
class Part:
    """Feet of the error due to one cause, positive beyond the target; None when it could not be told apart."""

    cause: Cause
    label: str
    feet: float | None
    words: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Diagnosis:
    """The error from the target, its parts, and the one change with the largest effect.

    The known parts add up to ``error_ft``; the error is None when no touchdown was seen.
    """

    error_ft: float | None
    counted_from: str  # in words: the middle of the box, or the line
    parts: tuple[Part, ...]
    one_change: str
    largest: Cause | None


def flown_approach(lap: MeasuredLap, request: BriefRequest) -> Approach:
    """The approach of a lap as far as it was seen; as briefed for the rest."""
    setup = landing_setup(request)
    approach = setup.approach
    if lap.threshold_speed_kias is not None:
        table = setup.flap.airspeed_table
        change_kcas = table.calibrated_kt(lap.threshold_speed_kias) - table.calibrated_kt(setup.speed_kias)
        change_ktas = true_airspeed_kt(calibrated_kt=change_kcas, density_ratio=setup.density_ratio)
        approach = replace(approach, speed_ktas=max(1.0, approach.speed_ktas + change_ktas))
    if lap.headwind_kt is not None:
        approach = replace(approach, headwind_kt=lap.headwind_kt)
    return approach


def aim_flown_ft(lap: MeasuredLap, planned_ft: float) -> float | None:
    """The aim point that was really flown [ft], where it was measured to be another than the planned one.

    A path is known to about a hundred feet of where it ends; nearer to the plan than that it is the plan [own].
    """
    if lap.aim_flown_ft is None or abs(lap.aim_flown_ft - planned_ft) <= BY_HAND['aim_flown_ft']:
        return None
    return lap.aim_flown_ft


def flown_lap(lap: MeasuredLap, request: BriefRequest) -> FlownLap | None:
    """A lap as learning takes it; None when no touchdown was seen.

    The request must carry the aim point that was flown, or none when the recommended one was.
    """
    if lap.along_ft is None:
        return None
    planned_ft = request.asked_aim_ft if request.asked_aim_ft is not None else make_brief(request).aim.aim_point_ft
    aim_ft = planned_ft if (flown_ft := aim_flown_ft(lap, planned_ft)) is None else flown_ft
    return FlownLap(
        approach=flown_approach(lap, request),
        touchdown_from_aim_ft=lap.along_ft - aim_ft,
        speed_is_known=lap.threshold_speed_kias is not None,
        float_s=lap.float_s,
        is_idle=power_share(request.landing) == 1.0,
        briefed_ktas=landing_setup(request).approach.speed_ktas,
    )


def counted_from(brief: BriefAnswer) -> str:
    """What the error of a lap is counted from, in words."""
    low_ft, high_ft = brief.aim.box_ft
    middle = abs(brief.aim.target_ft - (low_ft + high_ft) / 2) < 0.5
    return 'the middle of the box' if middle else 'the line of the spot'


def diagnose(lap: MeasuredLap, *, request: BriefRequest, brief: BriefAnswer) -> Diagnosis:
    """Split the error of a lap.

    One thing after another is changed from as briefed to as flown, in the order aim, speed, wind, and the model says
    how far each moves the touchdown; a timed hold-off then tells hold-off from roundout. What nobody measured stays
    in the last part, which says so. Source: [own]; see docs/model.md, "Why it landed there".
    """
    if lap.along_ft is None:
        return Diagnosis(
            error_ft=None,
            counted_from=counted_from(brief),
            parts=(),
            one_change=_NO_TOUCHDOWN[lap.outcome]
            if lap.outcome in NOT_LANDED
            else 'No touchdown was marked, so there is nothing to explain. Tap the strip where the wheels met it.',
            largest=None,
        )
    parts = _parts(lap, request=request, brief=brief)
    known = [part for part in parts if part.feet is not None]
    largest = max(known, key=lambda part: abs(part.feet or 0.0))
    return Diagnosis(
        error_ft=lap.along_ft - brief.aim.target_ft,
        counted_from=counted_from(brief),
        parts=parts,
        one_change=_one_change(largest, lap, brief),
        largest=largest.cause if abs(largest.feet or 0.0) >= _SMALL_FT else None,
    )


def _parts(lap: MeasuredLap, *, request: BriefRequest, brief: BriefAnswer) -> tuple[Part, ...]:
    """Feet of the error by cause, in the order in which one after the other is changed to as flown."""
    error_ft = (lap.along_ft or 0.0) - brief.aim.target_ft
    briefed = landing_setup(request).approach
    flown = flown_approach(lap, request)
    at_flown_speed = replace(briefed, speed_ktas=flown.speed_ktas)
    flown_aim_ft = aim_flown_ft(lap, brief.aim.aim_point_ft)
    aim_ft = (flown_aim_ft or brief.aim.aim_point_ft) - brief.aim.recommended_aim_point_ft
    speed_ft = wind_ft = roundout_ft = None
    if lap.threshold_speed_kias is not None:
        speed_ft = predict(at_flown_speed).touchdown_ft - predict(briefed).touchdown_ft
    if lap.headwind_kt is not None:
        wind_ft = predict(flown).touchdown_ft - predict(at_flown_speed).touchdown_ft
    rest_ft = error_ft - aim_ft - (speed_ft or 0.0) - (wind_ft or 0.0)
    hold_off_ft = rest_ft
    if lap.float_s is not None:
        hold_off_ft = _timed_float_ft(flown, lap.float_s) - predict(flown).float_ft
        roundout_ft = rest_ft - hold_off_ft
    by_name = (('speed', speed_ft), ('wind', wind_ft), ('roundout', roundout_ft))
    unread = [name for name, feet in by_name if feet is None]
    where = 'where the hold-off began' if roundout_ft is not None else 'hold-off not timed: within the hold-off'
    return (
        Part(cause='aim', label='Aim', feet=aim_ft, words=_aim_words(aim_ft, flown_aim_ft, brief)),
        Part(cause='speed', label='Speed', feet=speed_ft, words=_speed_words(lap, brief)),
        Part(cause='wind', label='Wind', feet=wind_ft, words=_wind_words(lap, brief)),
        Part(cause='roundout', label='Roundout', feet=roundout_ft, words=where),
        Part(cause='hold_off', label='Hold-off', feet=hold_off_ft, words=_hold_off_words(lap, flown, unread)),
    )


def _timed_float_ft(approach: Approach, seconds: float) -> float:
    """Ground covered in a hold-off of known duration: at the mean of its first and last speed [ft]."""
    return hold_off_groundspeed_kt(approach) * FPS_PER_KT * seconds


def _aim_words(aim_ft: float, flown_ft: float | None, brief: BriefAnswer) -> str:
    if flown_ft is not None:
        return f'the path pointed at {round(flown_ft, -1):,.0f} ft, {round(brief.aim.aim_point_ft, -1):,.0f} planned'
    if abs(aim_ft) < 1:
        return 'aim point as worked out'
    return f'aim point {abs(aim_ft):,.0f} ft {"beyond" if aim_ft > 0 else "before"} the worked-out one'


def _speed_words(lap: MeasuredLap, brief: BriefAnswer) -> str:
    if lap.threshold_speed_kias is None:
        return 'threshold speed not read: within the hold-off'
    return f'{lap.threshold_speed_kias:.0f} kt over the threshold, {brief.speed.approach_speed_kias:.1f} briefed'


def _wind_words(lap: MeasuredLap, brief: BriefAnswer) -> str:
    if lap.headwind_kt is None:
        return 'wind not read on this lap: taken as briefed'
    briefed = 'unknown' if brief.wind.headwind_kt is None else f'{brief.wind.headwind_kt:.0f} kt'
    return f'headwind {lap.headwind_kt:.0f} kt, {briefed} briefed'


def _hold_off_words(lap: MeasuredLap, flown: Approach, unread: list[str]) -> str:
    if lap.float_s is not None:
        return f'{lap.float_s:.1f} s held off, {predict(flown).float_s:.1f} s expected'
    return f'the rest; it holds what nobody measured: {", ".join(unread)}'


def _grave_first(lap: MeasuredLap, brief: BriefAnswer) -> str | None:
    """What comes before any feet: wheels before the threshold, and speed too near the stall."""
    if lap.along_ft is not None and lap.along_ft < 0:
        return (
            f'The wheels touched {-lap.along_ft:,.0f} ft before the threshold: add power, or go around, as soon as the '
            'aim point moves up the windscreen. Choose a spot farther in.'
        )
    read_kias, speed = lap.threshold_speed_kias, brief.speed
    if read_kias is None or read_kias > speed.approach_speed_kias - _SLOW_KT:
        return None
    over_kt = read_kias - speed.stall_speed_kias
    margin = f'only {over_kt:.0f} kt above the stall' if over_kt >= 1 else 'at or below the stalling speed'
    return (
        f'{read_kias:.0f} kt over the threshold is {speed.approach_speed_kias - read_kias:.0f} kt below the '
        f'{speed.approach_speed_kias:.0f} briefed and {margin}. Hold the speed to the roundout; go around below it.'
    )


def _one_change(largest: Part, lap: MeasuredLap, brief: BriefAnswer) -> str:
    grave = _grave_first(lap, brief)
    if grave is not None:
        return grave
    feet = largest.feet or 0.0
    amount, long = f'{abs(round(feet, -1)):,.0f} ft', feet > 0
    if abs(feet) < _SMALL_FT:
        return 'Change nothing: every part is within what can be told from a tap.'
    if largest.cause == 'aim':
        flown_ft = aim_flown_ft(lap, brief.aim.aim_point_ft)
        if flown_ft is not None:
            planned = f'{round(brief.aim.aim_point_ft, -1):,.0f} ft'
            return (
                f'The final pointed at {round(flown_ft, -1):,.0f} ft, not at the {planned} of the brief: '
                'hold the aim point still in the windscreen.'
            )
        return f'Aim {amount} {"earlier" if long else "later"} ({in_stripes(feet)}): the aim point alone moved it.'
    if largest.cause == 'speed' and lap.threshold_speed_kias is not None:
        off_kt = lap.threshold_speed_kias - brief.speed.approach_speed_kias
        return (
            f'Cross the threshold at {brief.speed.approach_speed_kias:.0f}, not {lap.threshold_speed_kias:.0f} kt: '
            f'{abs(off_kt):.0f} kt {"too many" if off_kt > 0 else "too few"} made {amount}.'
        )
    if largest.cause == 'wind':
        return (
            f'The wind had changed: aim {amount} {"earlier" if long else "later"} ({in_stripes(feet)}) while it lasts.'
        )
    return _rest_change(largest, lap, amount, long=long)


def _rest_change(largest: Part, lap: MeasuredLap, amount: str, *, long: bool) -> str:
    """What to change about roundout and hold-off; what was not measured is not blamed."""
    side = 'long' if long else 'short'
    if lap.threshold_speed_kias is None:
        return (
            f'It landed {amount} {side}, and the speed over the threshold was not read: why cannot be told. '
            'Read the speed on the next lap.'
        )
    if lap.float_s is None:
        hint = (
            'check that the power is closed at the roundout and that it begins at the cue'
            if long
            else 'round out at the cue, not before it, and hold it off with the stick coming back'
        )
        return f'Roundout and hold-off together made it {amount} {side}: {hint}. Time the hold-off to tell them apart.'
    if largest.cause == 'roundout':
        return (
            f'The hold-off began {amount} too far in: on the path sooner, and round out at the cue, not above it.'
            if long
            else f'The hold-off began {amount} too early: keep the aim point still until the cue, then round out.'
        )
    if long:
        return (
            f'Held off {amount} too long: check that the power is closed at the roundout and nothing is pulled early.'
        )
    return f'Touched {amount} too early: hold it off, keep the stick coming back. Never save it by pushing forward.'
