"""What a sortie's whole brief is asked with, beside the landing: field, hour, lesson and the student's record."""

from __future__ import annotations

import statistics
from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import cast, get_args

from pydantic import TypeAdapter
from sqlalchemy import select
from sqlalchemy.orm import Session

from bullseye.core.basis.kinds import LandingKind, TakeoffKind
from bullseye.core.brief.lapplan import KindRecord, LessonTime, PlannedLap, kinds_wanted
from bullseye.core.brief.plan import Plan
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.whole import Parts, make_parts
from bullseye.core.fly.pattern import PatternChoice
from bullseye.store.equipment import catalogue
from bullseye.store.flying.judging import results_of
from bullseye.store.flying.requests import SortieSoFar, brief_of, live_request, live_requests, planned_at
from bullseye.store.rows.flying import Lap, Sortie
from bullseye.words.language import remembered

_LANDINGS = frozenset(get_args(LandingKind))
_RECORD_LAPS = 40  # [own] of a student's latest laps, whose record the plan looks at
_PATTERN_CHOICE = TypeAdapter(PatternChoice)
_LAP_PLAN = TypeAdapter(tuple[PlannedLap, ...])


def plan_of(
    db: Session, sortie: Sortie, *, takeoff: TakeoffKind | None = None, pattern: PatternChoice | None = None
) -> Plan:
    """What the sortie's whole brief is asked with, or with another takeoff or pattern."""
    row = sortie.runway_end.airfield
    airfield = catalogue.airfield_of(row)
    return Plan(
        takeoff=takeoff or cast(TakeoffKind, sortie.takeoff),
        pattern=pattern or _PATTERN_CHOICE.validate_python(sortie.pattern or {}),
        airfield=airfield,
        at=planned_at(sortie, longitude_deg=airfield.longitude_deg),
        is_northern=airfield.latitude_deg >= 0,
        lesson=LessonTime(booked_min=sortie.booked_min, fuel_gal=sortie.fuel_gal, record=records_of(db, sortie)),
        field_name=row.name,
        marks=catalogue.placed_marks(row, sortie.runway_end),
        laps=None if sortie.lap_plan is None else _LAP_PLAN.validate_python(sortie.lap_plan),
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class Planned:
    """A sortie's live request, everything beside the landing, and the requests of the kinds that its laps are of."""

    live: BriefRequest
    parts: Parts
    requests: dict[LandingKind, BriefRequest]
    usual_marks: tuple[str, ...]  # that the student's latest laps were given, most often first


@remembered(300)
def parts_of(request: BriefRequest, plan: Plan) -> Parts:
    """Everything beside the landing, kept by what it depends on: the same is asked again and again."""
    return make_parts(request, plan, brief_of(request))


def planned(
    db: Session, sortie: Sortie, *, takeoff: TakeoffKind | None = None, pattern: PatternChoice | None = None
) -> Planned:
    """Everything beside the landing, as it stands now: each lap by what the pilot's laps teach of its kind."""
    so_far = SortieSoFar()
    live = live_request(db, sortie, so_far=so_far)
    plan = plan_of(db, sortie, takeoff=takeoff, pattern=pattern)
    own = () if plan.laps is None else plan.laps
    ordered = [cast(LandingKind, lap.kind) for lap in own if lap.kind in _LANDINGS]
    likely = kinds_wanted(
        live.landing,
        crosswind_kt=brief_of(live).wind.crosswind_kt,
        gust_spread_kt=live.gust_spread_kt,
        record=plan.lesson.record,
    )
    requests: dict[LandingKind, BriefRequest] = {live.landing: live}
    wanted = {*likely, *ordered}
    while True:
        requests |= live_requests(db, sortie, sorted(wanted - requests.keys()), so_far=so_far)
        parts = parts_of(live, replace(plan, requests=tuple(sorted(requests.items()))))
        laps = {cast(LandingKind, lap.kind) for lap in parts.lap_plan.laps if lap.kind in _LANDINGS}
        if laps <= wanted:
            kept = {kind: one for kind, one in requests.items() if kind in laps | {live.landing}}
            return Planned(live=live, parts=parts, requests=kept, usual_marks=_usual(plan.lesson.record))
        wanted |= laps  # where none of the likely kinds has room, the core looks for others


_USUAL_MARKS, _MARKED_LEAST = 8, 2  # [own] how many are shown, of those that were given at least so often


def _usual(records: Sequence[KindRecord]) -> tuple[str, ...]:
    counts = Counter(mark for record in records for mark in record.marks)
    often = sorted((-number, mark) for mark, number in counts.items() if number >= _MARKED_LEAST)
    return tuple(mark for _, mark in often[:_USUAL_MARKS])


def records_of(db: Session, sortie: Sortie) -> tuple[KindRecord, ...]:
    """What earlier sorties of this student show of each landing kind, from their latest laps."""
    query = (
        select(Lap)
        .where(Lap.student_id == sortie.student_id, Lap.removed_at.is_(None), Lap.sortie_id != sortie.id)
        .order_by(Lap.flown_at.desc())
        .limit(_RECORD_LAPS)
    )
    by_kind: dict[str, list[Lap]] = {}
    for lap in db.scalars(query):
        by_kind.setdefault(lap.landing, []).append(lap)
    found = []
    for kind, laps in by_kind.items():
        judged = [one for one in results_of(db, laps) if one is not None]
        errors = [one.diagnosis.error_ft for one in judged if one.diagnosis.error_ft is not None]
        scored = [one.score.hit for one in judged if one.score.hit is not None]
        flown_on = laps[0].flown_at.date()
        found.append(
            KindRecord(
                landing=cast(LandingKind, kind),
                laps=len(laps),
                hit_rate=sum(scored) / len(scored) if scored else None,
                mean_error_ft=statistics.fmean(errors) if errors else None,
                spread_ft=statistics.stdev(errors) if len(errors) > 1 else None,
                days_since=float(max(0, (sortie.planned_on - flown_on).days)),
                marks=tuple(mark for lap in laps for mark in lap.marks or ()),
            )
        )
    return tuple(found)
