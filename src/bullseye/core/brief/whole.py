"""Everything that is decided before the engine starts: runway, takeoff, pattern, landing, power-off reach."""

from __future__ import annotations

from dataclasses import dataclass, replace

from bullseye.core.air.sun import Sun
from bullseye.core.basis.sentence import (
    Caution,
    Phrasebook,
    Sentence,
    Severity,
    gravest_first,
)
from bullseye.core.brief.asked import glide_as_set, glide_task, pattern_as_set, pattern_task, takeoff_of
from bullseye.core.brief.ends import ranking_of, touch_and_go_ft
from bullseye.core.brief.landing import BriefAnswer, make_brief
from bullseye.core.brief.lapplan import (
    BriefedLap,
)
from bullseye.core.brief.margins import (
    touch_and_go_cautions,
    touch_and_go_words,
)
from bullseye.core.brief.night import night_notes, sun_over
from bullseye.core.brief.plan import PlacedMark, Plan, PlannedLaps
from bullseye.core.brief.planning import planned_laps
from bullseye.core.brief.ranking import RankedEnd
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import landing_setup
from bullseye.core.fly.flows import flows_of
from bullseye.core.fly.pattern import (
    NoPattern,
    PatternAnswer,
)
from bullseye.core.fly.poweroff import NoGlide, PowerOffAnswer
from bullseye.core.fly.radio import RadioCall, radio_calls
from bullseye.core.fly.takeoff import TakeoffAnswer
from bullseye.core.fly.traffic import WAKE_WAITS, WAKE_WORDS, WakeWait, parallel_words
from bullseye.core.given.aircraft import Flow

_BOOK = Phrasebook('whole')


@dataclass(frozen=True, slots=True, kw_only=True)
class Parts:
    """The parts of a whole brief beside the landing; None where one cannot be worked out, and why among the notes."""

    runway_ranking: tuple[RankedEnd, ...]
    takeoff: TakeoffAnswer
    pattern: PatternAnswer | None
    power_off: PowerOffAnswer | None
    lap_plan: PlannedLaps
    radio: tuple[RadioCall, ...]
    wake: tuple[WakeWait, ...]
    wake_words: str
    marks: tuple[PlacedMark, ...]
    flows: tuple[Flow, ...]
    sun: Sun | None
    touch_and_go_margin_ft: float | None  # below 0: full stop only
    touch_and_go_words: Sentence
    night: Caution | None  # when the lesson is flown in the dark, or ends in it
    notes: tuple[Caution, ...]


def make_parts(request: BriefRequest, plan: Plan, brief: BriefAnswer | None = None) -> Parts:
    """Work out everything beside the landing itself; no part that fails takes another with it."""
    setup = landing_setup(request)
    brief = brief or make_brief(request)
    takeoff = takeoff_of(request, plan, setup)
    notes: list[Caution] = []
    pattern: PatternAnswer | None = None
    power_off: PowerOffAnswer | None = None
    task = pattern_task(request, plan, setup, brief, takeoff)
    try:
        pattern = pattern_as_set(request, task)
    except NoPattern as error:
        notes.append(Caution('mind', _BOOK.say('no_pattern', why=error.reason)))
    try:
        power_off = glide_as_set(request, glide_task(request, task))
    except (NoGlide, NoPattern) as error:
        severity: Severity = 'stop' if request.landing == 'power_off' else 'know'
        notes.append(Caution(severity, _BOOK.say('no_reach', why=error.reason)))
    side = pattern.side if pattern else plan.pattern.side or request.runway.pattern_side
    if plan.airfield is not None:
        idents = tuple(end.ident for end in plan.airfield.ends)
        parallel = parallel_words(ident=request.runway.ident, others=idents, side=side)
        if parallel is not None:
            notes.append(Caution('mind', parallel))
    night = night_notes(plan, sun_over(plan))
    takeoff = replace(takeoff, cautions=gravest_first((*takeoff.cautions, *night)))
    notes += night
    to_go_ft = touch_and_go_ft(request, brief, takeoff)
    notes += touch_and_go_cautions(to_go_ft, takeoff.over_50_ft_ft)
    extended = pattern is not None and pattern.number_two is not None
    return Parts(
        runway_ranking=ranking_of(request, plan, brief),
        takeoff=takeoff,
        pattern=pattern,
        power_off=power_off,
        lap_plan=planned_laps(request, plan, brief, pattern, takeoff),
        radio=radio_calls(
            field=plan.field_name or (plan.airfield.ident if plan.airfield else 'This field'),
            callsign=plan.callsign or request.aircraft.callsign or request.aircraft.name,
            runway=request.runway.ident,
            side=side,
            intention=request.landing,
            extended=extended,
        ),
        wake=WAKE_WAITS,
        wake_words=WAKE_WORDS,
        marks=plan.marks,
        flows=flows_of(request.aircraft),
        sun=sun_over(plan),
        touch_and_go_margin_ft=to_go_ft,
        touch_and_go_words=touch_and_go_words(to_go_ft),
        night=next(iter(night), None),
        notes=gravest_first(notes),
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class WholeBrief:
    """A landing brief with all its other parts."""

    landing: BriefAnswer
    runway: str
    weather_warnings: tuple[str, ...]
    runway_ranking: tuple[RankedEnd, ...]
    takeoff: TakeoffAnswer
    pattern: PatternAnswer | None
    power_off: PowerOffAnswer | None
    lap_plan: tuple[BriefedLap, ...]
    lap_plan_words: Sentence
    lap_plan_notes: tuple[Sentence, ...]
    radio: tuple[RadioCall, ...]
    wake: tuple[WakeWait, ...]
    touch_and_go_margin_ft: float | None
    notes: tuple[Caution, ...]


def make_whole_brief(request: BriefRequest, plan: Plan, *, weather_warnings: tuple[str, ...] = ()) -> WholeBrief:
    """Work out one lesson's brief.

    :param weather_warnings: what is to be said of the report that the weather comes from
    """
    brief = make_brief(request)
    parts = make_parts(request, plan, brief)
    return WholeBrief(
        landing=brief,
        runway=request.runway.ident,
        weather_warnings=weather_warnings,
        runway_ranking=parts.runway_ranking,
        takeoff=parts.takeoff,
        pattern=parts.pattern,
        power_off=parts.power_off,
        lap_plan=parts.lap_plan.laps,
        lap_plan_words=parts.lap_plan.words,
        lap_plan_notes=parts.lap_plan.notes,
        radio=parts.radio,
        wake=parts.wake,
        touch_and_go_margin_ft=parts.touch_and_go_margin_ft,
        notes=parts.notes,
    )
