"""Why it landed there: the touchdown error split into feet that add up to it exactly."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Literal

from bullseye.core.air.atmosphere import true_airspeed_kt
from bullseye.core.basis.constants import FPS_PER_KT
from bullseye.core.basis.kinds import NOT_LANDED, ROUNDOUT_MARKS, LapMark
from bullseye.core.basis.sentence import Phrasebook, Quantity, Sentence, count, feet, joined, knots, seconds
from bullseye.core.basis.unknown import known_or
from bullseye.core.brief.landing import BriefAnswer, make_brief
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import landing_setup, power_share
from bullseye.core.given.airfield import in_stripes
from bullseye.core.measure.flown import FlownLap
from bullseye.core.measure.lap import MeasuredLap
from bullseye.core.measure.readings import BY_HAND
from bullseye.core.model.touchdown import Approach, hold_off_groundspeed_kt, predict

Cause = Literal['aim', 'speed', 'wind', 'roundout', 'hold_off']
_BOOK = Phrasebook('explain')
_CALM_KT = 0.5  # [own] of wind along the runway, which is none
_SLOW_KT = 5.0  # [own] below the briefed speed, from which the stall is spoken of before the feet
_LEADS_FROM = 1 / 3  # [own] of all the feet of the parts, from which a known part leads
_SAME_PLACE_FT = 0.5  # [own]
_ON_TARGET_FT = 5.0  # [own] said to the ten, this is nothing
_SMALL_FT = 40.0  # [own] under this a part is within what a tap on the strip can tell


@dataclass(frozen=True, slots=True, kw_only=True)
class Part:
    """Feet of the error due to one cause, positive beyond the target; None when it could not be told apart."""

    cause: Cause
    label: str
    feet: float | None
    words: Sentence


@dataclass(frozen=True, slots=True, kw_only=True)
class Diagnosis:
    """The error from the target, its parts, and the one change with the largest effect.

    The known parts add up to ``error_ft``; the error is None when no touchdown was seen.
    """

    error_ft: float | None
    counted_from: Sentence  # the spot, or the middle of the box
    parts: tuple[Part, ...]
    one_change: Sentence
    largest: Cause | None
    is_dropped: bool = False  # marked so: the roundout comes before the aim


def _has_wind(lap: MeasuredLap, request: BriefRequest) -> bool:
    """Whether the wind of a lap is known: read on it, told by its turns, or given when it was briefed."""
    return lap.headwind_kt is not None or request.weather.is_known


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
    """A lap as learning takes it; None when it tells nothing: no touchdown was seen, nor where it was going to be, or
    nobody has ever said what the wind was.

    The request must carry the aim point that was flown, or none when the recommended one was. A go-around that was
    going to be long or short would have touched outside of the box on that side.
    """
    if (lap.along_ft is None and lap.going is None) or not _has_wind(lap, request):
        return None
    planned_ft = request.asked_aim_ft if request.asked_aim_ft is not None else make_brief(request).aim.aim_point_ft
    aim_ft = planned_ft if (flown_ft := aim_flown_ft(lap, planned_ft)) is None else flown_ft
    low_ft, high_ft = request.tolerance.window_ft
    box_from_ft, box_to_ft = request.spot_ft + low_ft, request.spot_ft + high_ft
    return FlownLap(
        approach=flown_approach(lap, request),
        touchdown_from_aim_ft=None if lap.along_ft is None else lap.along_ft - aim_ft,
        least_from_aim_ft=box_to_ft - aim_ft if lap.going == 'long' else None,
        most_from_aim_ft=box_from_ft - aim_ft if lap.going == 'short' else None,
        speed_is_known=lap.threshold_speed_kias is not None,
        float_s=lap.float_s,
        is_idle=power_share(request.landing) == 1.0,
        briefed_ktas=landing_setup(request).approach.speed_ktas,
    )


def counted_from(brief: BriefAnswer) -> Sentence:
    """What the error of a lap is counted from, in words: the spot, or the middle of a box that lies beyond it."""
    return _BOOK.say('of_spot' if abs(brief.aim.target_ft - brief.aim.spot_ft) < _SAME_PLACE_FT else 'of_box')


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
            one_change=_BOOK.say(_no_touchdown(lap)),
            largest=None,
        )
    parts = _parts(lap, request=request, brief=brief)
    error_ft = lap.along_ft - brief.aim.target_ft
    lead = _leading(parts, lap, has_wind=_has_wind(lap, request))
    return Diagnosis(
        error_ft=error_ft,
        counted_from=counted_from(brief),
        parts=parts,
        one_change=_one_change(lead, error_ft, lap, brief, has_wind=_has_wind(lap, request)),
        largest=lead.part.cause if lead.part is not None and lead.is_known else None,
        is_dropped=bool({'dropped_in', 'rounded_out_high'} & set(lap.marks)),
    )


@dataclass(frozen=True, slots=True)
class _Lead:
    """What the sentence is about: a part that is known, a rest that holds what nobody measured, or nothing."""

    part: Part | None
    is_known: bool


def _leading(parts: tuple[Part, ...], lap: MeasuredLap, *, has_wind: bool) -> _Lead:
    """The largest part that is known, where it is a third of all or more; else the rest, only where it is told apart.

    A rest that holds unmeasured parts is nobody's fault yet: then the next thing is to measure.
    """
    feet_of = {part.cause: known_or(part.feet, 0.0) for part in parts if part.feet is not None}
    told_apart = lap.float_s is not None and has_wind and lap.threshold_speed_kias is not None
    of_cause = {part.cause: part for part in parts}
    unknown: set[Cause] = set() if told_apart else {'roundout', 'hold_off'}
    known = [cause for cause in feet_of if cause not in unknown]
    largest = max(known, key=lambda cause: abs(feet_of[cause]))
    whole = sum(abs(value) for value in feet_of.values())
    if abs(feet_of[largest]) >= _SMALL_FT and abs(feet_of[largest]) >= whole * _LEADS_FROM:
        return _Lead(of_cause[largest], is_known=True)
    rest = [cause for cause in feet_of if cause in unknown]
    hidden = max(rest, key=lambda cause: abs(feet_of[cause]), default=None)
    if hidden is not None and abs(feet_of[hidden]) >= _SMALL_FT:
        return _Lead(of_cause[hidden], is_known=False)
    return _Lead(of_cause[largest] if abs(feet_of[largest]) >= _SMALL_FT else None, is_known=True)


def _no_touchdown(lap: MeasuredLap) -> str:
    """Which sentence is said of a lap without a touchdown."""
    if lap.outcome not in NOT_LANDED:
        return 'not_marked'
    return lap.outcome if lap.going is None else f'{lap.outcome}_{lap.going}'


def _parts(lap: MeasuredLap, *, request: BriefRequest, brief: BriefAnswer) -> tuple[Part, ...]:
    """Feet of the error by cause, in the order in which one after the other is changed to as flown."""
    error_ft = known_or(lap.along_ft, 0.0) - brief.aim.target_ft
    briefed = landing_setup(request).approach
    flown = flown_approach(lap, request)
    at_flown_speed = replace(briefed, speed_ktas=flown.speed_ktas)
    flown_aim_ft = aim_flown_ft(lap, brief.aim.aim_point_ft)
    aim_ft = known_or(flown_aim_ft, brief.aim.aim_point_ft) - brief.aim.recommended_aim_point_ft
    speed_ft = wind_ft = roundout_ft = None
    if lap.threshold_speed_kias is not None:
        speed_ft = predict(at_flown_speed).touchdown_ft - predict(briefed).touchdown_ft
    if lap.headwind_kt is not None:
        wind_ft = predict(flown).touchdown_ft - predict(at_flown_speed).touchdown_ft
    rest_ft = error_ft - aim_ft - known_or(speed_ft, 0.0) - known_or(wind_ft, 0.0)
    hold_off_ft = rest_ft
    has_wind = _has_wind(lap, request)
    if lap.float_s is not None and has_wind:
        hold_off_ft = _timed_float_ft(flown, lap.float_s) - predict(flown).float_ft
        roundout_ft = rest_ft - hold_off_ft
    by_name = (('speed', speed_ft), ('wind', wind_ft), ('roundout', roundout_ft))
    unread = [name for name, feet in by_name if feet is None]
    untold = 'part_roundout_untimed' if lap.float_s is None else 'part_wind_never'
    where = _BOOK.say('part_roundout' if roundout_ft is not None else untold)
    rest = _hold_off_words(lap, flown, unread, has_wind=has_wind)
    return (
        Part(cause='aim', label='Aim', feet=aim_ft, words=_aim_words(aim_ft, flown_aim_ft, brief)),
        Part(cause='speed', label='Speed', feet=speed_ft, words=_speed_words(lap, brief)),
        Part(cause='wind', label='Wind', feet=wind_ft, words=_wind_words(lap, request, brief)),
        Part(cause='roundout', label='Roundout', feet=roundout_ft, words=where),
        Part(cause='hold_off', label='Hold-off', feet=hold_off_ft, words=rest),
    )


def _timed_float_ft(approach: Approach, seconds: float) -> float:
    """Ground covered in a hold-off of known duration: at the mean of its first and last speed [ft]."""
    return hold_off_groundspeed_kt(approach) * FPS_PER_KT * seconds


def _aim_words(aim_ft: float, flown_ft: float | None, brief: BriefAnswer) -> Sentence:
    if flown_ft is not None:
        planned = feet(brief.aim.aim_point_ft, step=10.0)
        return _BOOK.say('part_path', flown=feet(flown_ft, step=10.0), planned=planned)
    if abs(aim_ft) < 1:
        return _BOOK.say('part_aim_same')
    return _BOOK.say('part_aim_beyond' if aim_ft > 0 else 'part_aim_before', off=feet(abs(aim_ft)))


def _speed_words(lap: MeasuredLap, brief: BriefAnswer) -> Sentence:
    if lap.threshold_speed_kias is None:
        return _BOOK.say('part_speed_unread')
    briefed = knots(brief.speed.approach_speed_kias, step=0.1)
    return _BOOK.say('part_speed', read=knots(lap.threshold_speed_kias), briefed=briefed)


def _along(headwind_kt: float) -> Sentence:
    if abs(headwind_kt) < _CALM_KT:
        return _BOOK.say('no_headwind')
    return _BOOK.say('headwind' if headwind_kt > 0 else 'tailwind', wind=knots(abs(headwind_kt)))


def _wind_words(lap: MeasuredLap, request: BriefRequest, brief: BriefAnswer) -> Sentence:
    if not _has_wind(lap, request):
        return _BOOK.say('part_wind_never')
    if lap.headwind_kt is None:
        return _BOOK.say('part_wind_unread')
    by_turns = lap.headwind_by == 'turns'
    if brief.wind.headwind_kt is None or not request.weather.is_known:
        return _BOOK.say('part_wind_turns_unknown' if by_turns else 'part_wind_unknown', flown=_along(lap.headwind_kt))
    briefed = _along(brief.wind.headwind_kt)
    return _BOOK.say('part_wind_turns' if by_turns else 'part_wind', flown=_along(lap.headwind_kt), briefed=briefed)


def _hold_off_words(lap: MeasuredLap, flown: Approach, unread: list[str], *, has_wind: bool) -> Sentence:
    if lap.float_s is not None and has_wind:
        held, expected = seconds(lap.float_s, step=0.1), seconds(predict(flown).float_s, step=0.1)
        return _BOOK.say('part_float', held=held, expected=expected)
    return _BOOK.say('part_rest', what=', '.join(unread))


def _grave_first(lap: MeasuredLap, brief: BriefAnswer) -> Sentence | None:
    """What comes before any feet: wheels before the threshold, and speed too near the stall."""
    if lap.along_ft is not None and lap.along_ft < 0:
        return _BOOK.say('before_threshold', short=feet(max(1.0, -lap.along_ft)))
    read_kias, speed = lap.threshold_speed_kias, brief.speed
    if read_kias is None or read_kias > speed.approach_speed_kias - _SLOW_KT:
        return None
    over_kt = read_kias - speed.stall_speed_kias
    margin = _BOOK.say('above_stall', margin=knots(over_kt)) if over_kt >= 1 else _BOOK.say('at_the_stall')
    return _BOOK.say(
        'slow',
        read=knots(read_kias),
        less=knots(speed.approach_speed_kias - read_kias),
        briefed=count(speed.approach_speed_kias),
        margin=margin,
    )


def _happened(error_ft: float, brief: BriefAnswer) -> Sentence:
    """What happened, in true feet, and from where they count."""
    if abs(error_ft) < _ON_TARGET_FT:
        return _BOOK.say('on_target')
    way = 'landed_beyond' if error_ft > 0 else 'landed_before'
    return _BOOK.say(way, error=feet(abs(error_ft), step=10.0), origin=counted_from(brief))


def _one_change(lead: _Lead, error_ft: float, lap: MeasuredLap, brief: BriefAnswer, *, has_wind: bool) -> Sentence:
    """What happened in true feet, and the one change."""
    grave = _grave_first(lap, brief)
    if grave is not None:
        return grave
    off_ft = 0.0 if lead.part is None else known_or(lead.part.feet, 0.0)
    seen = _marked_change(lap, error_ft, lead)
    if seen is not None:
        return joined(_happened(error_ft, brief), seen)
    if lead.part is None:
        return joined(_happened(error_ft, brief), _BOOK.say('nothing'))
    change = _known_change(lead.part, lap, brief) if lead.is_known else None
    if change is None:
        change = _rest_change(lead.part, lap, feet(abs(off_ft), step=10.0), long=off_ft > 0, has_wind=has_wind)
    return joined(_happened(error_ft, brief), change)


def _marked_change(lap: MeasuredLap, error_ft: float, lead: _Lead) -> Sentence | None:
    """What a person saw of the landing, where it tells why: a mark comes before any feet that are only left over."""
    cause = None if lead.part is None else lead.part.cause
    is_rest = cause in (None, 'roundout', 'hold_off')
    for mark, sides in _TELLS_WHY:
        # what a wrong roundout did is no lesson about the aim, though the aim was held back for its sake
        leads = is_rest or (cause == 'aim' and mark in ROUNDOUT_MARKS)
        is_side = {'long': error_ft > 0, 'short': error_ft < 0, 'either': True}[sides]
        if mark in lap.marks and leads and is_side:
            return _BOOK.say(mark)
    return _BOOK.say('ballooned') if lap.ballooned and error_ft > 0 and is_rest else None


# Marks that tell why it landed there, gravest first, and on which side of the middle each does
_TELLS_WHY: tuple[tuple[LapMark, Literal['long', 'short', 'either']], ...] = (
    ('pushed', 'either'),
    ('stall_warning_high', 'either'),
    ('dropped_in', 'short'),
    ('rounded_out_high', 'either'),
    ('power_left_on', 'long'),
    ('rounded_out_low', 'short'),
    ('rounded_out_late', 'short'),
    ('let_go', 'short'),
    ('eyes_too_near', 'either'),
    ('stirred', 'either'),
    ('flat', 'short'),
)


def _known_change(part: Part, lap: MeasuredLap, brief: BriefAnswer) -> Sentence | None:
    """The change for a part that was measured; None for roundout and hold-off."""
    off_ft = known_or(part.feet, 0.0)
    amount, long = feet(abs(off_ft), step=10.0), off_ft > 0
    if part.cause == 'aim':
        flown_ft = aim_flown_ft(lap, brief.aim.aim_point_ft)
        if flown_ft is not None:
            planned = feet(brief.aim.aim_point_ft, step=10.0)
            return _BOOK.say('path', flown=feet(flown_ft, step=10.0), planned=planned)
        return _BOOK.say('aim_shorter' if long else 'aim_farther', amount=amount, stripes=in_stripes(off_ft))
    if part.cause == 'speed' and lap.threshold_speed_kias is not None:
        off_kt = lap.threshold_speed_kias - brief.speed.approach_speed_kias
        return _BOOK.say(
            'too_fast' if off_kt > 0 else 'too_slow',
            briefed=count(brief.speed.approach_speed_kias),
            read=knots(lap.threshold_speed_kias),
            off=knots(abs(off_kt)),
            amount=amount,
        )
    if part.cause == 'wind':
        return _BOOK.say('wind_shorter' if long else 'wind_farther', amount=amount, stripes=in_stripes(off_ft))
    return None


def _rest_change(part: Part, lap: MeasuredLap, amount: Quantity, *, long: bool, has_wind: bool) -> Sentence:
    """What to change about roundout and hold-off; what was not measured is not blamed, but measured next."""
    side = 'long' if long else 'short'
    if lap.threshold_speed_kias is None:
        return _BOOK.say('speed_unread')
    if not has_wind:
        return _BOOK.say('wind_unread')
    if lap.float_s is None:
        return _BOOK.say(f'untimed_{side}')
    cause = 'roundout' if part.cause == 'roundout' else 'hold_off'
    return _BOOK.say(f'{cause}_{side}', amount=amount)
