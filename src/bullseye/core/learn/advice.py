"""From the laps of a sortie to the next one: what they teach, where to aim, and why the last landed where it did."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from functools import cache
from typing import Annotated, Any

from pydantic import Field, TypeAdapter, ValidationError

from bullseye.core.basis.constants import AIM_STEP_FT
from bullseye.core.basis.kinds import Going, LandingKind, LapMark
from bullseye.core.basis.limits import AimFt, AimStepFt, AlongFt, FloatS, HeadwindKt, SpeedKias
from bullseye.core.basis.quantity import Checked
from bullseye.core.basis.sentence import Phrasebook, Sentence, feet, joined
from bullseye.core.basis.unknown import known_or
from bullseye.core.brief.landing import BriefAnswer, make_brief
from bullseye.core.brief.request import BriefRequest, RefusedRequest, messages, parse_request
from bullseye.core.brief.setup import power_share, prior_deceleration_fps2
from bullseye.core.explain.diagnosis import Diagnosis, diagnose, flown_lap
from bullseye.core.explain.scoring import Score, score_lap
from bullseye.core.explain.summary import summarise, without_remedy
from bullseye.core.given.aircraft import Aircraft
from bullseye.core.given.airfield import in_stripes
from bullseye.core.given.belief import Calibration
from bullseye.core.learn.fit import calibrate
from bullseye.core.learn.population import Population, started_from
from bullseye.core.learn.steps import is_held_good, moves_the_aim, stepped_aim_ft
from bullseye.core.measure.flown import FlownLap
from bullseye.core.measure.lap import MeasuredLap

_BOOK = Phrasebook('advice')

# [own]
_INTERVAL = 1.96  # 95 % of a normal distribution
_MOST_LAPS = 500


@dataclass(frozen=True, slots=True, kw_only=True)
class AdviceLap(Checked):
    """A lap as flown, places from the landing threshold; None where nobody looked."""

    aim_ft: AimFt
    touchdown_ft: AlongFt | None = None  # None: went around
    going: Going | None = None  # of a go-around: where it was going to land
    threshold_speed_kias: SpeedKias | None = None
    headwind_kt: HeadwindKt | None = None
    float_s: FloatS | None = None
    landing: LandingKind | None = None  # else the request's
    marks: Annotated[tuple[LapMark, ...], Field(max_length=30)] = ()
    exclude: bool = False  # special: gust, traffic, the instructor flew


@dataclass(frozen=True, slots=True, kw_only=True)
class Learned:
    """What the laps taught, with 95 % intervals."""

    deceleration_fps2: float
    deceleration_low: float
    deceleration_high: float
    bias_ft: float
    bias_low: float
    bias_high: float
    scatter_ft: float
    speed_habit_kt: float
    speed_habit_low: float
    speed_habit_high: float
    laps_used: int


@dataclass(frozen=True, slots=True, kw_only=True)
class Split:
    """The last lap's error from the middle of the box, in feet by cause; None could not be told apart."""

    aim: float | None
    speed: float | None
    wind: float | None
    roundout: float | None
    hold_off: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Advice:
    """What to fly next, and why. ``error_ft`` and ``split_ft`` are None when the last lap was a go-around."""

    calibration: Learned
    next_aim_ft: float
    aim_is_good: bool  # else no aim point is: the sentence says why, and none is to be flown
    wanted_aim_ft: float  # without the limit on how far one lap may move it
    next_speed_kias: float
    hit_chance: float  # as flown lately
    hit_chance_if_briefed: float
    predicted_touchdown_ft: float
    error_ft: float | None
    split_ft: Split | None
    sentence: Sentence
    cautions: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class AdviceRequest(Checked):
    """A brief's request with the laps flown so far, oldest first."""

    brief: BriefRequest
    laps: Annotated[tuple[AdviceLap, ...], Field(max_length=_MOST_LAPS)]
    aim_step_ft: AimStepFt = AIM_STEP_FT
    population: Population | None = None  # how the school's pilots differ in this kind; ours when not given


def _measured(lap: AdviceLap) -> MeasuredLap:
    return MeasuredLap(
        outcome='go_around' if lap.touchdown_ft is None else 'touch_and_go',
        along_ft=lap.touchdown_ft,
        threshold_speed_kias=lap.threshold_speed_kias,
        float_s=lap.float_s,
        headwind_kt=lap.headwind_kt,
        marks=lap.marks,
        going=lap.going if lap.touchdown_ft is None else None,
    )


def _kind(lap: AdviceLap, request: BriefRequest) -> LandingKind:
    return lap.landing or request.landing


def _flown(laps: Sequence[AdviceLap], request: BriefRequest) -> tuple[list[FlownLap], list[FlownLap], list[FlownLap]]:
    """Laps that teach: all of the aircraft, those of this kind of landing by the pilot, and their others."""
    everything: list[FlownLap] = []
    own: list[FlownLap] = []
    others: list[FlownLap] = []
    for lap in laps:
        kind = _kind(lap, request)
        flown_by = replace(request, aim_point_ft=lap.aim_ft)
        if kind != request.landing and request.standard.can_plan(kind):
            flown_by = replace(flown_by, landing=kind)
        flown = None if lap.exclude else flown_lap(_measured(lap), flown_by)
        if flown is not None:
            everything.append(flown)
            (own if kind == request.landing else others).append(flown)
    return everything, own, others


def _calibrated(laps: Sequence[AdviceLap], asked: AdviceRequest) -> Calibration:
    """What is believed after these laps, from the belief that was given and from the school's pilots."""
    request = asked.brief
    given = request.calibration
    everything, own, others = _flown(laps, replace(request, calibration=Calibration()))
    prior = known_or(given.deceleration_fps2, prior_deceleration_fps2(request) * power_share(request.landing))
    return calibrate(
        aircraft_laps=everything,
        pilot_laps=own,
        prior_deceleration_fps2=prior / power_share(request.landing),
        prior_deceleration_sd_fps2=given.deceleration_sd_fps2,
        power_share=power_share(request.landing),
        other_laps=others,
        population=started_from(asked.population or Population(), given),
    )


def _judged(lap: AdviceLap, before: BriefRequest) -> tuple[Score, Diagnosis]:
    """Score and explain a lap by what was known before it."""
    request = replace(before, aim_point_ft=lap.aim_ft)
    brief = make_brief(request)
    measured = _measured(lap)
    score = score_lap(measured, brief=brief, tolerance=request.tolerance, weights=request.standard.weights)
    return score, diagnose(measured, request=request, brief=brief)


def advise(asked: AdviceRequest) -> Advice:
    """Learn from the laps and say what to fly next.

    The last lap is explained by the brief that the laps before it would have given.
    """
    request, laps = asked.brief, asked.laps
    beliefs = [_calibrated(laps[:count], asked) for count in range(len(laps) + 1)]
    known = beliefs[-1]
    after = replace(request, calibration=known, aim_point_ft=None)
    free = make_brief(after)
    same_kind = [lap for lap in laps if _kind(lap, request) == request.landing]
    moves = [moves_the_aim(lap.marks) for lap in laps]
    aim_ft = stepped_aim_ft(after, beliefs, step_ft=asked.aim_step_ft, moves=moves)
    brief = make_brief(replace(after, aim_point_ft=aim_ft))
    if not is_held_good(brief, free):
        brief = free
    diagnosis: Diagnosis | None = None
    judged: list[tuple[Score, Diagnosis, bool]] = []
    if same_kind:
        before = [replace(request, calibration=beliefs[laps.index(lap)]) for lap in same_kind]
        _, diagnosis = _judged(same_kind[-1], before[-1])
        judged = [
            (*_judged(lap, by), lap.touchdown_ft is None)
            for lap, by in zip(same_kind, before, strict=True)
            if not lap.exclude
        ]
    return Advice(
        calibration=_learned(known),
        next_aim_ft=brief.aim.aim_point_ft,
        aim_is_good=brief.aim.aim_is_good,
        wanted_aim_ft=free.aim.recommended_aim_point_ft,
        next_speed_kias=brief.speed.recommended_speed_kias,
        hit_chance=brief.aim.hit_chance,
        hit_chance_if_briefed=brief.aim.hit_chance_if_briefed,
        predicted_touchdown_ft=brief.touchdown.predicted_touchdown_ft,
        error_ft=diagnosis.error_ft if diagnosis else None,
        split_ft=_split(diagnosis),
        sentence=_sentence(brief, judged, diagnosis, same_kind),
        cautions=(*map(str, brief.cautions), str(brief.training_aid)),
    )


def _learned(known: Calibration) -> Learned:
    a, bias = known_or(known.deceleration_fps2, 0.0), known_or(known.bias_ft, 0.0)
    a_off = _INTERVAL * known_or(known.deceleration_sd_fps2, 0.0)
    bias_off = _INTERVAL * known_or(known.bias_sd_ft, 0.0)
    habit, habit_off = known_or(known.speed_habit_kt, 0.0), _INTERVAL * known_or(known.speed_habit_sd_kt, 0.0)
    return Learned(
        deceleration_fps2=a,
        deceleration_low=a - a_off,
        deceleration_high=a + a_off,
        bias_ft=bias,
        bias_low=bias - bias_off,
        bias_high=bias + bias_off,
        scatter_ft=known_or(known.scatter_ft, 0.0),
        speed_habit_kt=habit,
        speed_habit_low=habit - habit_off,
        speed_habit_high=habit + habit_off,
        laps_used=known.laps,
    )


def _split(diagnosis: Diagnosis | None) -> Split | None:
    if diagnosis is None or diagnosis.error_ft is None:
        return None
    feet = {part.cause: part.feet for part in diagnosis.parts}
    return Split(**feet)


def _sentence(
    brief: BriefAnswer,
    judged: Sequence[tuple[Score, Diagnosis, bool]],
    diagnosis: Diagnosis | None,
    laps: Sequence[AdviceLap],
) -> Sentence:
    """The one change, then where to aim; where no aim point is good, that and why."""
    aim_ft = brief.aim.aim_point_ft
    aim = feet(aim_ft, step=10.0)
    if not brief.aim.aim_is_good:
        none = joined(_BOOK.say('none'), brief.aim.aim_problems[0])
        return none if diagnosis is None else joined(without_remedy(diagnosis.one_change), none)
    if not laps or diagnosis is None:
        return _BOOK.say('first', aim=aim, before=brief.aim.aim_before_spot_words)
    moved_ft = aim_ft - laps[-1].aim_ft
    if abs(moved_ft) < 5:
        then = _BOOK.say('again', aim=aim)
    else:
        moved, stripes = feet(abs(moved_ft), step=10.0), in_stripes(moved_ft)
        then = _BOOK.say('farther' if moved_ft > 0 else 'shorter', aim=aim, moved=moved, stripes=stripes)
    landed = sum(d.error_ft is not None for _, d, _ in judged)
    why = summarise(judged).one_change if landed >= 3 else diagnosis.one_change
    # a steady error is put right by the aim that follows; the sum of both would be told twice
    return joined(without_remedy(why), then)


@cache
def _laps_adapter() -> TypeAdapter[tuple[AdviceLap, ...]]:
    return TypeAdapter(Annotated[tuple[AdviceLap, ...], Field(max_length=_MOST_LAPS)])


@cache
def _request_adapter() -> TypeAdapter[AdviceRequest]:
    return TypeAdapter(AdviceRequest)


@cache
def advice_adapter() -> TypeAdapter[Advice]:
    """Writer of advice, made once."""
    return TypeAdapter(Advice)


def parse_advice_request(data: object, *, aircraft_by_name: Mapping[str, Aircraft]) -> AdviceRequest:
    """Read a request from plain data: a brief's, with ``laps`` and, optionally, ``aim_step_ft``.

    :raises RefusedRequest: with a message for each wrong field
    """
    if not isinstance(data, dict):
        raise RefusedRequest({'request': 'the request is not an object'})
    rest: dict[str, Any] = dict(data)
    given, step = rest.pop('laps', []), rest.pop('aim_step_ft', AIM_STEP_FT)
    population = rest.pop('population', None)
    errors: dict[str, str] = {}
    laps: tuple[AdviceLap, ...] = ()
    brief: BriefRequest | None = None
    try:
        laps = _laps_adapter().validate_python(given)
    except ValidationError as error:
        errors |= {'laps' if path == 'request' else f'laps.{path}': text for path, text in messages(error).items()}
    try:
        brief = parse_request(rest, aircraft_by_name=aircraft_by_name)
    except RefusedRequest as error:
        errors |= error.errors
    if errors or brief is None:
        raise RefusedRequest(errors)
    try:
        return _request_adapter().validate_python(
            {'brief': brief, 'laps': laps, 'aim_step_ft': step, 'population': population}
        )
    except ValidationError as error:
        raise RefusedRequest(messages(error)) from None


def advice_request_schema(landing_schema: dict[str, Any]) -> dict[str, Any]:
    """The landing's schema with the laps."""
    laps = _laps_adapter().json_schema(ref_template='#/$defs/{model}')
    definitions = {**landing_schema.get('$defs', {}), **laps.pop('$defs', {})}
    step = {'type': 'number', 'exclusiveMinimum': 0, 'maximum': 2_000, 'default': AIM_STEP_FT}
    population = TypeAdapter(Population | None).json_schema(ref_template='#/$defs/{model}')
    definitions |= population.pop('$defs', {})
    properties = {**landing_schema['properties'], 'laps': laps, 'aim_step_ft': step, 'population': population}
    return {**landing_schema, '$defs': definitions, 'properties': properties}
