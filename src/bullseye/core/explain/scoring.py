"""Scoring a landing: each criterion with value, tolerance, verdict and weight; the total is their plain sum."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Literal

from bullseye.core.basis.constants import READ_TO_KT
from bullseye.core.basis.kinds import NOT_LANDED
from bullseye.core.basis.sentence import Phrasebook, Sentence, as_given, count, feet
from bullseye.core.basis.unknown import known_or
from bullseye.core.brief.landing import BriefAnswer
from bullseye.core.given.standards import Tolerance, Weights
from bullseye.core.measure.lap import MeasuredLap

Verdict = Literal['pass', 'near', 'fail', 'unknown']
_CREDIT: dict[Verdict, float] = {'pass': 1.0, 'near': 0.5, 'fail': 0.0}

# "Near" margins [own]
_NEAR_LONG_FT = 100.0
_NEAR_SPEED_KT = 3.0
_FLOAT_PASS_S, _FLOAT_NEAR_S = 1.5, 3.0
_CENTRELINE_PASS_FT, _CENTRELINE_NEAR_FT = 6.0, 15.0

_BOOK = Phrasebook('score')


@dataclass(frozen=True, slots=True, kw_only=True)
class Criterion:
    """One line of the score. ``value`` is None when unknown; then it neither gains nor costs."""

    name: str
    label: Sentence
    value: float | str | None
    unit: str
    tolerance: Sentence | str
    verdict: Verdict
    weight: float
    points: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Score:
    """Points out of those that could be judged; both None for a go-around, which is never scored."""

    criteria: tuple[Criterion, ...]
    points: float | None
    out_of: float
    hit: bool | None
    meets_standard: bool | None
    words: Sentence


def _criterion(
    name: str, *, value: float | str | None, unit: str, tolerance: Sentence | str, verdict: Verdict
) -> Criterion:
    return Criterion(
        name=name,
        label=_BOOK.say(f'label_{name}'),
        value=value,
        unit=unit,
        tolerance=tolerance,
        verdict=verdict,
        weight=0.0,  # the standard's, set below
        points=None,
    )


def _signed(value_ft: float) -> str:
    return f'{value_ft:+.0f}' if value_ft else '0'


def _within(value: float | None, *, good: bool, near: bool) -> Verdict:
    if value is None:
        return 'unknown'
    return 'pass' if good else 'near' if near else 'fail'


def _weighed(criterion: Criterion, weights: Weights) -> Criterion:
    weight: float = getattr(weights, criterion.name)
    points = None if criterion.verdict == 'unknown' else weight * _CREDIT[criterion.verdict]
    return replace(criterion, weight=weight, points=points)


def _accuracy(lap: MeasuredLap, brief: BriefAnswer, tolerance: Tolerance) -> Criterion:
    """Before the spot's window is a fail however small; beyond it, 100 ft are near."""
    from_spot_ft = None if lap.along_ft is None else lap.along_ft - brief.aim.spot_ft
    low_ft, high_ft = tolerance.window_ft
    verdict: Verdict = 'unknown'
    if from_spot_ft is not None:
        verdict = _within(
            from_spot_ft,
            good=low_ft <= from_spot_ft <= high_ft,
            near=high_ft < from_spot_ft <= high_ft + _NEAR_LONG_FT,
        )
    return _criterion(
        'accuracy',
        value=from_spot_ft,
        unit='ft',
        tolerance=_BOOK.say('from_to', low=_signed(low_ft), high=_signed(high_ft)),
        verdict=verdict,
    )


def _speed(lap: MeasuredLap, brief: BriefAnswer, tolerance: Tolerance) -> Criterion:
    """The speed over the threshold; a limit that is not known judges nothing on its side."""
    off_kt = None if lap.threshold_speed_kias is None else lap.threshold_speed_kias - brief.speed.recommended_speed_kias
    above_kt, below_kt = tolerance.speed_above_kt, tolerance.speed_below_kt
    limit_kt = above_kt if known_or(off_kt, 0.0) > 0 else below_kt
    verdict: Verdict = 'unknown'
    if off_kt is not None and limit_kt is not None:
        limit_kt += READ_TO_KT
        verdict = _within(off_kt, good=abs(off_kt) <= limit_kt, near=abs(off_kt) <= limit_kt + _NEAR_SPEED_KT)
    said = [_BOOK.say('unknown') if one is None else as_given(one, 'count') for one in (below_kt, above_kt)]
    return _criterion(
        'speed',
        value=off_kt,
        unit='kt',
        tolerance=_BOOK.say('not_known')
        if below_kt is None and above_kt is None
        else _BOOK.say('about', below=said[0], above=said[1]),
        verdict=verdict,
    )


def _float(lap: MeasuredLap, brief: BriefAnswer) -> Criterion:
    known = lap.float_s if lap.float_s is not None else 0.0
    return _criterion(
        'float',
        value=lap.float_s,
        unit='s',
        tolerance=_BOOK.say(
            'of_model',
            model=count(brief.touchdown.float_s, step=0.1),
            most=count(brief.touchdown.float_s + _FLOAT_PASS_S, step=0.1),
        ),
        verdict=_within(
            lap.float_s,
            good=known <= brief.touchdown.float_s + _FLOAT_PASS_S,
            near=known <= brief.touchdown.float_s + _FLOAT_NEAR_S,
        ),
    )


def _drift(lap: MeasuredLap) -> Criterion:
    verdict: Verdict = 'unknown' if lap.drift is None else 'pass' if lap.drift == 'none' else 'fail'
    return _criterion('drift', value=lap.drift, unit='', tolerance=_BOOK.say('none'), verdict=verdict)


def _centreline(lap: MeasuredLap) -> Criterion:
    off_ft = 0.0 if lap.lateral_ft is None else abs(lap.lateral_ft)
    return _criterion(
        'centreline',
        value=lap.lateral_ft,
        unit='ft',
        tolerance=_BOOK.say('within', limit=count(_CENTRELINE_PASS_FT)),
        verdict=_within(lap.lateral_ft, good=off_ft <= _CENTRELINE_PASS_FT, near=off_ft <= _CENTRELINE_NEAR_FT),
    )


def _arrival(lap: MeasuredLap) -> Criterion:
    seen = [word for word, happened in (('bounced', lap.bounced), ('ballooned', lap.ballooned)) if happened]
    verdict: Verdict
    if lap.bounced:
        verdict = 'fail'
    elif lap.ballooned:
        verdict = 'near'
    elif lap.bounced is None or lap.ballooned is None:
        verdict = 'unknown'
    else:
        verdict = 'pass'
    value = None if verdict == 'unknown' else ', '.join(seen) or 'clean'
    return _criterion('arrival', value=value, unit='', tolerance=_BOOK.say('clean'), verdict=verdict)


def score_lap(lap: MeasuredLap, *, brief: BriefAnswer, tolerance: Tolerance, weights: Weights | None = None) -> Score:
    """Judge one lap against what was briefed for it.

    Speed is judged from the worked-out speed, so a wrong choice of speed shows. A go-around has no score.

    :param tolerance: of the standard, with its window known
    :param weights: points of each criterion; ours where none are given
    """
    if lap.outcome == 'go_around':
        return Score(criteria=(), points=None, out_of=0, hit=None, meets_standard=None, words=_BOOK.say(lap.outcome))
    if lap.outcome in NOT_LANDED:
        return _drill_score(lap, brief)
    found = (
        _accuracy(lap, brief, tolerance),
        _speed(lap, brief, tolerance),
        _float(lap, brief),
        _drift(lap),
        _centreline(lap),
        _arrival(lap),
    )
    criteria = tuple(_weighed(one, weights or Weights()) for one in found)
    judged = [criterion for criterion in criteria if criterion.points is not None]
    accuracy = criteria[0]
    hit = None if accuracy.verdict == 'unknown' else accuracy.verdict == 'pass'
    required = [criterion for criterion in criteria if criterion.name in ('accuracy', 'speed', 'drift')]
    meets: bool | None = None
    if any(criterion.verdict in ('near', 'fail') for criterion in required):
        meets = False
    elif all(criterion.verdict == 'pass' for criterion in required):
        meets = True
    return Score(
        criteria=criteria,
        points=sum(known_or(criterion.points, 0.0) for criterion in judged) if judged else None,
        out_of=sum(criterion.weight for criterion in judged),
        hit=hit,
        meets_standard=meets,
        words=_words(lap, brief, hit),
    )


# Of a drill [own]: seconds of the model's hold-off held are a pass, and so many less are near
_HELD_NEAR = 0.7
_DRILL_WEIGHTS = {'held': 60.0, 'sink_through': 40.0, 'centreline': 50.0, 'height': 25.0, 'wheels': 25.0}
_HEIGHT_KEPT_FT = 10.0  # highest less lowest along the runway


def _drill_score(lap: MeasuredLap, brief: BriefAnswer) -> Score:
    """A drill without a landing: the hold-off at altitude, or the low approach along the runway.

    At altitude it is held as long as the model says that the hold-off lasts, without sinking through the height that
    stands for the runway. Along the runway it stays over the centreline, at one height, and in the air.
    """
    found = _held(lap, brief) if lap.outcome == 'drill' else _along_the_runway(lap)
    criteria = tuple(
        replace(
            one,
            weight=_DRILL_WEIGHTS[one.name],
            points=None if one.verdict == 'unknown' else _DRILL_WEIGHTS[one.name] * _CREDIT[one.verdict],
        )
        for one in found
    )
    judged = [one for one in criteria if one.points is not None]
    met = is_drill_met(criteria)
    name = lap.outcome if met is None else f'{lap.outcome}_{"good" if met else "bad"}'
    return Score(
        criteria=criteria,
        points=sum(known_or(one.points, 0.0) for one in judged) if judged else None,
        out_of=sum(one.weight for one in judged),
        hit=None,
        meets_standard=None,
        words=_BOOK.say(name),
    )


def is_drill_met(criteria: Sequence[Criterion]) -> bool | None:
    """Whether a drill was flown as it should be: nothing near or failed, and the main thing was seen."""
    if any(one.verdict in ('near', 'fail') for one in criteria):
        return False
    main = next((one for one in criteria if one.name in ('held', 'centreline')), None)
    return True if main is not None and main.verdict == 'pass' else None


def _held(lap: MeasuredLap, brief: BriefAnswer) -> tuple[Criterion, ...]:
    wanted_s = brief.touchdown.float_s
    known_s = lap.float_s if lap.float_s is not None else 0.0
    held = _within(lap.float_s, good=known_s >= wanted_s, near=known_s >= _HELD_NEAR * wanted_s)
    return (
        _criterion(
            'held',
            value=lap.float_s,
            unit='s',
            tolerance=_BOOK.say('or_more', least=count(wanted_s, step=0.1)),
            verdict=held,
        ),
        _criterion(
            'sink_through',
            value=None if lap.sank_through is None else 'yes' if lap.sank_through else 'no',
            unit='',
            tolerance=_BOOK.say('no'),
            verdict='unknown' if lap.sank_through is None else 'fail' if lap.sank_through else 'pass',
        ),
    )


def _along_the_runway(lap: MeasuredLap) -> tuple[Criterion, ...]:
    return (
        _centreline(lap),
        _height_kept(lap),
        _criterion(
            'wheels',
            value=None if lap.touched is None else 'yes' if lap.touched else 'no',
            unit='',
            tolerance=_BOOK.say('no'),
            verdict='unknown' if lap.touched is None else 'fail' if lap.touched else 'pass',
        ),
    )


def _height_kept(lap: MeasuredLap) -> Criterion:
    """What a person saw stands; else what a track measured: beyond the limit by less than it may be off is near."""
    verdict: Verdict = 'unknown'
    value: float | str | None = None
    if lap.height_kept is not None:
        verdict, value = ('pass', 'yes') if lap.height_kept else ('fail', 'no')
    if lap.height_range is not None and lap.height_kept is not False:
        value = lap.height_range.feet
        over_ft = value - _HEIGHT_KEPT_FT
        verdict = 'pass' if over_ft <= 0 else 'near' if over_ft <= lap.height_range.half_ft else 'fail'
    return _criterion(
        'height',
        value=value,
        unit='ft' if isinstance(value, float) else '',
        tolerance=_BOOK.say('within', limit=feet(_HEIGHT_KEPT_FT)),
        verdict=verdict,
    )


def _words(lap: MeasuredLap, brief: BriefAnswer, hit: bool | None) -> Sentence:
    if lap.along_ft is None:
        return _BOOK.say('not_seen')
    low_ft, high_ft = brief.aim.box_ft
    if hit:
        past_ft = lap.along_ft - brief.aim.spot_ft
        if abs(past_ft) < 0.5:
            return _BOOK.say('on_the_spot')
        return _BOOK.say('hit', past=feet(past_ft)) if past_ft > 0 else _BOOK.say('hit_before', before=feet(-past_ft))
    if lap.along_ft < low_ft:
        return _BOOK.say('short', short=feet(max(1.0, low_ft - lap.along_ft)))
    return _BOOK.say('long', long=feet(max(1.0, lap.along_ft - high_ft)))
