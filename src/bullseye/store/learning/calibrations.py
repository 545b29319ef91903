"""What the laps so far teach: of an aircraft and flap by everybody, of a pilot in one kind of landing."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from functools import lru_cache
from typing import Any, Protocol

from sqlalchemy import ColumnElement, and_, literal, not_, select, union_all
from sqlalchemy.orm import Session

from bullseye.core.given.belief import Calibration
from bullseye.core.learn.fit import calibrate
from bullseye.core.learn.population import Population
from bullseye.core.measure.flown import FlownLap
from bullseye.store.learning.flown import flown_laps
from bullseye.store.learning.populations import populations_of
from bullseye.store.rows.flying import Lap

_PILOT_LAPS = 40  # [own] older ones tell of a pilot who has moved on
_AIRCRAFT_LAPS = 150  # [own] by everybody, for the deceleration of an aircraft and flap
_OTHER_LAPS = 30  # [own] of the pilot in other kinds, flaps and aircraft


@lru_cache(500)
def _learned(
    everybody: tuple[FlownLap, ...],
    own: tuple[FlownLap, ...],
    others: tuple[FlownLap, ...],
    population: Population,
    prior_deceleration_fps2: float,
    power_share: float,
) -> Calibration:
    """What laps teach, kept by the laps themselves: it can be neither out of date nor half read."""
    return calibrate(
        aircraft_laps=everybody,
        pilot_laps=own,
        other_laps=others,
        population=population,
        prior_deceleration_fps2=prior_deceleration_fps2,
        power_share=power_share,
    )


@dataclass(slots=True)
class TeachingLaps:
    """The laps that teach of one kind of landing and flap, newest first; kept in step while laps are written."""

    everybody: list[FlownLap]
    own: list[FlownLap]
    others: list[FlownLap]
    population: Population
    newest: datetime | None

    def add(self, lap: Lap, *, is_same_flap: bool, is_same_kind: bool) -> bool:
        """Put a new lap in front; False when it is not the newest, and its place is not known here."""
        if self.newest is not None and lap.flown_at <= self.newest:
            return False
        (flown,) = flown_laps([lap.flown])
        if is_same_flap:
            self.everybody = [flown, *self.everybody][:_AIRCRAFT_LAPS]
        if is_same_flap and is_same_kind:
            self.own = [flown, *self.own][:_PILOT_LAPS]
        else:
            self.others = [flown, *self.others][:_OTHER_LAPS]
        self.newest = lap.flown_at
        return True

    def belief(self, *, prior_deceleration_fps2: float, power_share: float) -> Calibration:
        """What they teach together."""
        return _learned(
            tuple(self.everybody),
            tuple(self.own[::-1]),
            tuple(self.others[::-1]),
            self.population,
            prior_deceleration_fps2,
            power_share,
        )


class Flies(Protocol):
    """Who flies in what: a sortie, or one that is only thought of."""

    @property
    def school_id(self) -> int:
        """The school's number."""

    @property
    def aircraft_id(self) -> int:
        """The aircraft's number."""

    @property
    def student_id(self) -> int:
        """The pilot's number."""


def teaching_laps(db: Session, sortie: Flies, wanted: Sequence[tuple[str, str]]) -> dict[tuple[str, str], TeachingLaps]:
    """Read the laps that teach of a sortie's aircraft and pilot: the latest of each, all in one statement.

    Windows of the latest laps, read by index: what they teach is always in step with them, whoever corrects, excludes
    or removes one, and costs the same in the tenth year as in the first.

    :param wanted: kinds of landing, each with its flap
    """
    teaches = (Lap.school_id == sortie.school_id, Lap.removed_at.is_(None), Lap.flown.is_not(None))
    of_pilot = (Lap.student_id == sortie.student_id,)
    flaps = sorted({flap for _, flap in wanted})
    parts: list[tuple[str, tuple[ColumnElement[bool], ...], int]] = []
    for flap in flaps:
        parts.append(
            (f'all {flap}', (*teaches, Lap.aircraft_id == sortie.aircraft_id, Lap.flap == flap), _AIRCRAFT_LAPS)
        )
    for landing, flap in wanted:
        is_own = and_(Lap.aircraft_id == sortie.aircraft_id, Lap.flap == flap, Lap.landing == landing)
        parts.append((f'own {landing} {flap}', (*teaches, *of_pilot, is_own), _PILOT_LAPS))
        parts.append((f'other {landing} {flap}', (*teaches, *of_pilot, not_(is_own)), _OTHER_LAPS))
    latest = [
        select(Lap.flown, Lap.flown_at, literal(part).label('part'))
        .where(*where)
        .order_by(Lap.flown_at.desc())
        .limit(most)
        for part, where, most in parts
    ]
    # a union has no order of its own
    rows = sorted(db.execute(union_all(*latest)), key=lambda row: row.flown_at, reverse=True)
    by_part: dict[str, list[Any]] = {part: [] for part, _, _ in parts}
    newest: dict[str, datetime] = {}
    for row in rows:
        by_part[row.part].append(row.flown)
        newest.setdefault(row.part, row.flown_at)
    populations = populations_of(db, [landing for landing, _ in wanted])
    found = {}
    for landing, flap in wanted:
        names = [f'all {flap}', f'own {landing} {flap}', f'other {landing} {flap}']
        everybody, own, others = (flown_laps(by_part[name]) for name in names)
        found[landing, flap] = TeachingLaps(
            everybody=everybody,
            own=own,
            others=others,
            population=populations[landing],
            newest=max((newest[name] for name in names if name in newest), default=None),
        )
    return found
