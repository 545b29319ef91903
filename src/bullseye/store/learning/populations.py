"""What the pilots of a school are like, as numbered snapshots: the priors of whoever has flown little."""

from __future__ import annotations

import random
from collections.abc import Iterable
from datetime import UTC, datetime, timedelta

from pydantic import TypeAdapter, ValidationError
from sqlalchemy import func, or_, select
from sqlalchemy.orm import Session

from bullseye.core.basis.constants import MODEL_VERSION
from bullseye.core.basis.unknown import known_or
from bullseye.core.learn.population import Population, learn_population
from bullseye.core.measure.flown import FlownLap
from bullseye.store.learning.flown import flown_laps
from bullseye.store.rows.flying import Lap, PopulationSnapshot
from bullseye.store.rows.people import School, User

_KINDS = TypeAdapter(dict[str, Population])
_ALL = 'all'  # kinds together, for one that too few have flown
_OURS = Population()
_LOOKED_AT_AGAIN = timedelta(days=7)  # [own]
_PILOTS = 200  # [own] more tell nothing new
_LAPS_EACH = 60  # [own] the latest of each, in all kinds
_FEWEST_PILOTS = 3  # [own] fewer are no population


def populations_of(db: Session, landings: Iterable[str]) -> dict[str, Population]:
    """What the pilots of the bound school are like in kinds of landing, by its latest snapshot; ours without one."""
    kinds = db.scalar(
        select(PopulationSnapshot.kinds)
        .where(PopulationSnapshot.model_version == MODEL_VERSION)
        .order_by(PopulationSnapshot.number.desc())
        .limit(1)
    )
    try:
        known = _KINDS.validate_python(kinds or {})
    except ValidationError:  # of another version of the software
        known = {}
    return {one: known.get(one) or known.get(_ALL) or _OURS for one in landings}


def schools_due(db: Session, *, now: datetime) -> list[int]:
    """Schools to be looked at: never by this model, or some time ago. The session must see every school."""
    latest = (
        select(PopulationSnapshot.school_id, func.max(PopulationSnapshot.made_at).label('made_at'))
        .where(PopulationSnapshot.model_version == MODEL_VERSION)
        .group_by(PopulationSnapshot.school_id)
        .subquery()
    )
    query = (
        select(School.id)
        .outerjoin(latest, latest.c.school_id == School.id)
        .where(or_(latest.c.made_at.is_(None), latest.c.made_at < now - _LOOKED_AT_AGAIN))
    )
    return list(db.scalars(query.order_by(School.id)))


def take_snapshot(db: Session, school_id: int, *, now: datetime | None = None) -> int:
    """Learn what the pilots of a school are like, and keep it under the next number, which is returned.

    What was kept before stays, so that a belief can be had again by the snapshot it was made with. Commits.
    """
    number = (
        known_or(
            db.scalar(select(func.max(PopulationSnapshot.number)).where(PopulationSnapshot.school_id == school_id)), 0
        )
    ) + 1
    people = list(db.scalars(select(User.id).where(User.school_id == school_id).order_by(User.id)))
    random.Random(number).shuffle(people)  # noqa: S311  (others each time, the same ones for the same number)
    of_kind: dict[str, list[list[FlownLap]]] = {}
    for person_id in people[:_PILOTS]:
        for kind, laps in _latest(db, school_id, person_id).items():
            of_kind.setdefault(kind, []).append(laps)
    kinds = {}
    if len(of_kind.get(_ALL, ())) >= _FEWEST_PILOTS:
        together = kinds[_ALL] = learn_population(of_kind.pop(_ALL))
        kinds |= {
            kind: learn_population(pilots, base=together)
            for kind, pilots in of_kind.items()
            if len(pilots) >= _FEWEST_PILOTS
        }
    db.add(
        PopulationSnapshot(
            school_id=school_id,
            number=number,
            model_version=MODEL_VERSION,
            made_at=now or datetime.now(UTC),
            kinds=_KINDS.dump_python(kinds, mode='json'),
        )
    )
    db.commit()
    return number


def _latest(db: Session, school_id: int, person_id: int) -> dict[str, list[FlownLap]]:
    """A pilot's latest laps by kind, oldest first, and all together."""
    query = (
        select(Lap.landing, Lap.flown)
        .where(
            Lap.school_id == school_id,
            Lap.student_id == person_id,
            Lap.removed_at.is_(None),
            Lap.flown.is_not(None),
            Lap.model_version == MODEL_VERSION,
        )
        .order_by(Lap.flown_at.desc())
        .limit(_LAPS_EACH)
    )
    found: dict[str, list[FlownLap]] = {}
    for landing, flown in reversed(db.execute(query).all()):
        for lap in flown_laps([flown]):
            found.setdefault(landing, []).append(lap)
            found.setdefault(_ALL, []).append(lap)
    return found
