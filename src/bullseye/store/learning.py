"""What the laps so far teach: of an aircraft and flap by everybody, of a pilot in one kind of landing."""

from __future__ import annotations

from collections.abc import Sequence
from contextlib import suppress
from dataclasses import dataclass, fields
from datetime import datetime
from functools import lru_cache
from typing import Any

from sqlalchemy import literal, select, union_all
from sqlalchemy.orm import Session

from bullseye.core.given.belief import Calibration
from bullseye.core.learn.fit import calibrate
from bullseye.core.measure.flown import FlownLap
from bullseye.core.model.touchdown import Approach
from bullseye.store.models import Lap, Sortie

_PILOT_LAPS = 40  # [own] older ones tell of a pilot who has moved on
_AIRCRAFT_LAPS = 150  # [own] by everybody, for the deceleration of an aircraft and flap
_APPROACH = tuple(one.name for one in fields(Approach))
_DECIMALS = 4  # of knots, feet and degrees: far finer than anything was measured


def plain_flown(flown: FlownLap) -> list[Any]:
    """A lap as learning takes it, as a row keeps it: figures without their names, of which there would be more.

    In order: those of its approach, feet from the aim point to the touchdown, whether the speed is known, seconds of
    hold-off, whether it was flown at idle, and the speed that was briefed.
    """
    approach = [round(getattr(flown.approach, name), _DECIMALS) for name in _APPROACH]
    briefed_ktas = None if flown.briefed_ktas is None else round(flown.briefed_ktas, _DECIMALS)
    known = [flown.speed_is_known, flown.float_s, flown.is_idle]
    return [*approach, round(flown.touchdown_from_aim_ft, 1), *known, briefed_ktas]


@lru_cache(5_000)
def _flown_lap(row: tuple[Any, ...]) -> FlownLap:
    *approach, touchdown_from_aim_ft, speed_is_known, float_s, is_idle, briefed_ktas = row
    return FlownLap(
        approach=Approach(**dict(zip(_APPROACH, approach, strict=True))),
        touchdown_from_aim_ft=touchdown_from_aim_ft,
        speed_is_known=speed_is_known,
        float_s=float_s,
        is_idle=is_idle,
        briefed_ktas=briefed_ktas,
    )


def flown_laps(rows: Sequence[Any]) -> list[FlownLap]:
    """Laps as learning takes them, from what rows keep of them; one that cannot be read teaches nothing."""
    found = []
    for row in rows:
        with suppress(ValueError, TypeError):
            found.append(_flown_lap(tuple(row)))
    return found


@lru_cache(500)
def _learned(
    everybody: tuple[FlownLap, ...], own: tuple[FlownLap, ...], prior_deceleration_fps2: float, power_share: float
) -> Calibration:
    """What laps teach, kept by the laps themselves: it can be neither out of date nor half read."""
    return calibrate(
        aircraft_laps=everybody,
        pilot_laps=own,
        prior_deceleration_fps2=prior_deceleration_fps2,
        power_share=power_share,
    )


@dataclass(slots=True)
class TeachingLaps:
    """The laps that teach of one kind of landing and flap, newest first; kept in step while laps are written."""

    everybody: list[FlownLap]
    own: list[FlownLap]
    newest: datetime | None

    def add(self, lap: Lap, *, is_own_kind: bool) -> bool:
        """Put a new lap in front; False when it is not the newest, and its place is not known here."""
        if self.newest is not None and lap.flown_at <= self.newest:
            return False
        (flown,) = flown_laps([lap.flown])
        self.everybody = [flown, *self.everybody][:_AIRCRAFT_LAPS]
        if is_own_kind:
            self.own = [flown, *self.own][:_PILOT_LAPS]
        self.newest = lap.flown_at
        return True

    def belief(self, *, prior_deceleration_fps2: float, power_share: float) -> Calibration:
        """What they teach together."""
        return _learned(tuple(self.everybody), tuple(self.own[::-1]), prior_deceleration_fps2, power_share)


def teaching_laps(db: Session, sortie: Sortie, *, landing: str, flap: str) -> TeachingLaps:
    """Read the laps that teach of a sortie's aircraft and pilot: the latest of each, all in one statement."""
    of_aircraft = (
        select(Lap.flown, Lap.flown_at)
        .where(
            Lap.school_id == sortie.school_id,
            Lap.aircraft_id == sortie.aircraft_id,
            Lap.flap == flap,
            Lap.removed_at.is_(None),
            Lap.flown.is_not(None),
        )
        .order_by(Lap.flown_at.desc())
    )
    of_pilot = of_aircraft.where(Lap.student_id == sortie.student_id, Lap.landing == landing)
    everybody = of_aircraft.add_columns(literal(False).label('is_own')).limit(_AIRCRAFT_LAPS)
    own = of_pilot.add_columns(literal(True).label('is_own')).limit(_PILOT_LAPS)
    found = db.execute(union_all(everybody, own))
    rows = sorted(found, key=lambda row: row.flown_at, reverse=True)  # a union has no order of its own
    return TeachingLaps(
        flown_laps([row.flown for row in rows if not row.is_own]),
        flown_laps([row.flown for row in rows if row.is_own]),
        rows[0].flown_at if rows else None,
    )
