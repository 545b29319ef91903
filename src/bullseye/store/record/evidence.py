"""What the laps of a student show, by kind of landing: read once, kept until a lap of that kind changes."""

from __future__ import annotations

from collections.abc import Sequence
from contextlib import suppress
from dataclasses import replace
from datetime import datetime
from typing import Any, cast, get_args

from pydantic import TypeAdapter, ValidationError
from sqlalchemy import String, column, func, select, true, values
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session, aliased

from bullseye.core.air.wind import components
from bullseye.core.basis.constants import MODEL_VERSION
from bullseye.core.basis.kinds import LandingKind
from bullseye.core.brief.plan import Plan
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import landing_setup
from bullseye.core.explain.scoring import is_drill_met, score_lap
from bullseye.core.model.touchdown import predict
from bullseye.core.record.evidence import Flown
from bullseye.store.errors import UNREADABLE
from bullseye.store.flying import judging
from bullseye.store.flying.around import beyond_of, called_of, measured_of, plans_of, worked_out
from bullseye.store.flying.lapwind import wind_of, wind_said
from bullseye.store.flying.requests import brief_of, flown_requests
from bullseye.store.rows.equipment import Airfield, RunwayEnd
from bullseye.store.rows.flying import Lap, Sortie
from bullseye.store.rows.record import Standing

WINDOW = 40  # [own] latest laps of a kind: older ones tell of a pilot who has moved on
_RECENT = 200  # [own] latest laps of all kinds, for what is only counted
_FLOWN = TypeAdapter(list[Flown])
KINDS: tuple[LandingKind, ...] = get_args(LandingKind)


def flown_by(db: Session, school_id: int, student_id: int) -> dict[LandingKind, list[Flown]]:
    """The latest laps of a student in each kind that they have flown, oldest first.

    What is not kept is worked out from the laps, and kept. Reads the same however many laps there are.
    """
    kept = {
        row.landing: row
        for row in db.scalars(
            select(Standing).where(Standing.school_id == school_id, Standing.student_id == student_id)
        )
    }
    found: dict[LandingKind, list[Flown]] = {}
    missing = []
    for kind in KINDS:
        row = kept.get(kind)
        if row is not None and row.model_version == MODEL_VERSION:
            with suppress(ValidationError):
                if row.flown:
                    found[kind] = _FLOWN.validate_python(row.flown)
                continue
        missing.append(kind)
    if missing:
        by_kind = _latest(db, school_id, student_id, missing)
        for kind in missing:
            flown = found_of(db, by_kind.get(kind, []))
            if flown:
                found[kind] = flown
            _keep(db, school_id, student_id, kind, flown)
    return found


def _keep(db: Session, school_id: int, student_id: int, kind: LandingKind, flown: Sequence[Flown]) -> None:
    """Keep what was worked out; somebody else may have done so meanwhile."""
    values_ = {
        'school_id': school_id,
        'student_id': student_id,
        'landing': kind,
        'model_version': MODEL_VERSION,
        'flown': _FLOWN.dump_python(list(flown), mode='json', exclude_none=True),
        'laps': len(flown),
        'shown': {},
    }
    key = ('school_id', 'student_id', 'landing')
    statement = insert(Standing).values(values_)
    changed = {name: value for name, value in values_.items() if name not in key}
    db.execute(statement.on_conflict_do_update(index_elements=key, set_=changed | {'made_at': func.now()}))
    db.commit()


def _latest(
    db: Session, school_id: int, student_id: int, kinds: Sequence[LandingKind]
) -> dict[str, list[tuple[Lap, str]]]:
    """The latest laps of each kind with their field, in one statement: newest first, until there are enough of each."""
    asked = values(column('landing', String), name='asked').data([(kind,) for kind in kinds])
    one = aliased(Lap)
    latest = (
        select(one.id)
        .where(
            one.school_id == school_id,
            one.student_id == student_id,
            one.landing == asked.c.landing,
            one.removed_at.is_(None),
        )
        .order_by(one.flown_at.desc())
        .limit(WINDOW)
        .lateral()
    )
    query = (
        select(Lap, Airfield.name)
        .select_from(asked.join(latest, true()))
        .join(Lap, Lap.id == latest.c.id)
        .join(RunwayEnd, RunwayEnd.id == Lap.runway_end_id)
        .join(Airfield, Airfield.id == RunwayEnd.airfield_id)
        .where(Lap.school_id == school_id)
        .order_by(Lap.flown_at, Lap.id)
    )
    found: dict[str, list[tuple[Lap, str]]] = {}
    for lap, field in db.execute(query):
        found.setdefault(lap.landing, []).append((lap, field))
    return found


def found_of(db: Session, rows: Sequence[tuple[Lap, str]]) -> list[Flown]:
    """Laps as the record looks at them; those that teach nothing, or cannot be read, are left out."""
    mine = [(lap, field) for lap, field in rows if not lap.excluded and lap.flown_by != 'instructor']
    requests = flown_requests(db, [lap for lap, _ in mine])
    plans = plans_of(db, [lap for lap, _ in mine])
    found = []
    for lap, field in mine:
        with suppress(KeyError, *UNREADABLE):
            found.append(_flown(lap, requests[lap.id], field, plans[lap.id]))
    return found


def _flown(lap: Lap, request: BriefRequest, field: str, plan: Plan) -> Flown:
    around = measured_of(lap)
    setup = landing_setup(request)
    wind, known = wind_of(lap, request), wind_said(lap, request)
    across_kt = components(known, course_deg_true=request.runway.course_deg_true).cross_kt if known else None
    approach = setup.approach if wind is None else replace(setup.approach, headwind_kt=wind.headwind_kt)
    speed_kias, along_ft = lap.threshold_speed_kias, lap.along_ft
    marks = [*lap.marks, *(name for name, seen in _SEEN.items() if getattr(lap, name))]
    if lap.drift in ('left', 'right'):
        marks.append('drifted')
    return Flown(
        landing=cast(LandingKind, lap.landing),
        outcome=cast(Any, lap.outcome),
        flown_at=lap.flown_at,
        sortie_id=lap.sortie_id,
        aircraft=request.aircraft.name,
        runway=f'{field} {request.runway.ident}',
        wind_kt=None if known is None else known.speed_kt,
        crosswind_kt=across_kt,
        from_spot_ft=None if along_ft is None else round(along_ft - lap.spot_ft, 1),
        spot_ft=lap.spot_ft,
        available_ft=request.runway.landing_distance_available_ft,
        aim_before_spot_ft=None if lap.aim_point_ft is None else round(lap.spot_ft - lap.aim_point_ft, 1),
        briefed_kias=round(setup.speed_kias, 1),
        speed_off_kt=None if speed_kias is None else round(speed_kias - setup.recommended_kias, 1),
        float_over_s=None if lap.float_s is None or not known else round(lap.float_s - predict(approach).float_s, 1),
        drift=cast(Any, lap.drift),
        lateral_ft=lap.lateral_ft,
        marks=tuple(marks),
        drill_met=_drill_met(lap, request),
        takeoff=plan.takeoff,
        **called_of(lap),
        beyond=beyond_of(lap, request),
        around=around,
        worked_out=None if around is None else worked_out(lap, request, plan),
    )


def _drill_met(lap: Lap, request: BriefRequest) -> bool | None:
    if lap.outcome not in ('drill', 'low_approach'):
        return None
    score = score_lap(judging.measured_of(lap, request), brief=brief_of(request), tolerance=request.tolerance)
    return is_drill_met(score.criteria)


_SEEN = {'bounced': 'bounced', 'ballooned': 'ballooned'}


def counts_of(db: Session, school_id: int, student_id: int) -> dict[str, tuple[int, datetime]]:
    """Of the latest laps: how many by takeoff and by outcome, and when last, as ``takeoff normal`` and the like."""
    # looked up for each of the laps: a join would go through all sorties there are
    takeoff = (
        select(Sortie.takeoff)
        .where(Sortie.school_id == Lap.school_id, Sortie.id == Lap.sortie_id)
        .correlate(Lap)
        .scalar_subquery()
    )
    query = (
        select(takeoff, Lap.outcome, Lap.flown_at)
        .where(Lap.school_id == school_id, Lap.student_id == student_id, Lap.removed_at.is_(None))
        .order_by(Lap.flown_at.desc())
        .limit(_RECENT)
    )
    found: dict[str, tuple[int, datetime]] = {}
    for of_sortie, outcome, flown_at in db.execute(query):
        for name in (f'takeoff {of_sortie}', f'outcome {outcome}', 'lap'):
            before = found.get(name)
            found[name] = (1 + (before[0] if before else 0), max(flown_at, before[1]) if before else flown_at)
    return found


def marks_by_month(db: Session, school_id: int, student_id: int) -> list[tuple[str, str, int]]:
    """Of the latest laps: month, mark and how often, newest month first."""
    latest = (
        select(Lap.flown_at, Lap.marks, Lap.bounced, Lap.ballooned, Lap.drift)
        .where(Lap.school_id == school_id, Lap.student_id == student_id, Lap.removed_at.is_(None))
        .order_by(Lap.flown_at.desc())
        .limit(_RECENT)
    )
    found: dict[tuple[str, str], int] = {}
    for flown_at, marks, bounced, ballooned, drift in db.execute(latest):
        month = f'{flown_at:%Y-%m}'
        seen = [*marks, *(['bounced'] if bounced else []), *(['ballooned'] if ballooned else [])]
        if drift in ('left', 'right'):
            seen.append('drifted')
        for mark in seen:
            found[month, mark] = found.get((month, mark), 0) + 1
    return [(month, mark, number) for (month, mark), number in sorted(found.items(), reverse=True)]
