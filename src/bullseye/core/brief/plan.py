"""What a whole brief is asked with beside the landing: field, hour, lesson, pattern, and the marks of a plan."""

from __future__ import annotations

from dataclasses import dataclass, field
from datetime import datetime

from bullseye.core.basis.constants import PATTERN_HEIGHT_FT
from bullseye.core.basis.kinds import LandingKind, TakeoffKind
from bullseye.core.basis.sentence import (
    Sentence,
)
from bullseye.core.brief.lapplan import (
    BriefedLap,
    LessonTime,
    PlannedLap,
)
from bullseye.core.brief.request import BriefRequest
from bullseye.core.fly.pattern import (
    PatternChoice,
)
from bullseye.core.given.airfield import Airfield, MarkUse


@dataclass(frozen=True, slots=True, kw_only=True)
class PlacedMark:
    """A ground mark in the runway frame."""

    name: str
    use: MarkUse
    along_ft: float
    lateral_ft: float


@dataclass(frozen=True, slots=True, kw_only=True)
class PlannedLaps:
    """The laps of the lesson, each briefed."""

    laps: tuple[BriefedLap, ...]
    lap_s: float
    words: Sentence
    notes: tuple[Sentence, ...]
    is_own: bool  # ordered by the instructor, not as worked out


@dataclass(frozen=True, slots=True, kw_only=True)
class Plan:
    """What the whole brief is asked with, beside the landing."""

    takeoff: TakeoffKind = 'normal'
    pattern: PatternChoice = field(default_factory=PatternChoice)
    airfield: Airfield | None = None
    at: datetime | None = None  # with a zone; for the sun
    is_northern: bool = True
    lesson: LessonTime = field(default_factory=LessonTime)
    field_name: str | None = None
    callsign: str | None = None
    marks: tuple[PlacedMark, ...] = ()
    laps: tuple[PlannedLap, ...] | None = None  # as the instructor ordered them; None: as worked out
    # the lesson's landing in each kind, with what the pilot's laps teach of it; of one left out its own teach
    requests: tuple[tuple[LandingKind, BriefRequest], ...] = ()


def pattern_altitude_ft(request: BriefRequest, plan: Plan) -> float:
    """Pattern altitude above sea level: as chosen, else the field's own, else the usual one [ft]."""
    if plan.pattern.altitude_ft is not None:
        return plan.pattern.altitude_ft
    if plan.airfield is not None and plan.airfield.pattern_altitude_ft is not None:
        return plan.airfield.pattern_altitude_ft
    return request.runway.elevation_ft + PATTERN_HEIGHT_FT
