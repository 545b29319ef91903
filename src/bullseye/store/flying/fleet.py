"""The fleet: which aircraft floats how far, from all pilots' laps."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import UTC, datetime
from functools import lru_cache
from typing import Any

from sqlalchemy import Integer, String, column, select, true, values
from sqlalchemy.orm import Session

from bullseye.core.basis.unknown import known_or
from bullseye.core.given.aircraft import Aircraft as CoreAircraft
from bullseye.core.given.loading import usual_weight_lb
from bullseye.core.learn.fit import Estimate, fit_deceleration
from bullseye.core.model.deceleration import prior_fps2
from bullseye.core.model.speeds import touchdown_speed_kcas
from bullseye.core.model.touchdown import Approach, predict
from bullseye.store.equipment import catalogue
from bullseye.store.learning.flown import flown_laps
from bullseye.store.people.roles import require_coach
from bullseye.store.rows.flying import Lap
from bullseye.store.rows.people import User

_INTERVAL = 1.96  # of a normal distribution holds 95 %
_LAPS = 150  # [own] the latest of an aircraft and flap; older ones tell of other pilots and other tyres


def now() -> datetime:
    """The time as answers are stamped with it."""
    return datetime.now(UTC)


@dataclass(frozen=True, slots=True, kw_only=True)
class Float:
    """An aircraft and flap: deceleration in the hold-off [ft/s²] and the float it makes in still air [ft]."""

    aircraft: str
    flap: str
    laps: int  # the latest, of which it is learned
    has_more_laps: bool  # older ones, which no longer count
    timed_laps: int
    deceleration_fps2: float
    deceleration_low: float
    deceleration_high: float
    float_ft: float
    float_low_ft: float
    float_high_ft: float


def floats(db: Session, *, by: User) -> list[Float]:
    """Every aircraft and flap with laps, longest float first.

    :raises NotAllowed: for a student, who sees their own laps only
    """
    require_coach(by)
    aircraft_of = {row.id: catalogue.aircraft_of(row) for row in catalogue.all_aircraft(db)}
    found = []
    for (aircraft_id, flap), flown in _latest(db, aircraft_of, school_id=by.school_id).items():
        aircraft = aircraft_of[aircraft_id]
        setting, weight_lb = aircraft.flap(flap), usual_weight_lb(aircraft)
        fit = _fit(flown, prior_fps2(aircraft, setting, weight_lb=weight_lb))
        low = max(0.5, fit.mean - _INTERVAL * fit.sd)
        high = fit.mean + _INTERVAL * fit.sd
        found.append(
            Float(
                aircraft=aircraft.name,
                flap=flap,
                laps=len(flown),
                has_more_laps=len(flown) == _LAPS,
                timed_laps=len(fit.weights),
                deceleration_fps2=fit.mean,
                deceleration_low=low,
                deceleration_high=high,
                float_ft=_float_ft(aircraft, flap, fit.mean),
                float_low_ft=_float_ft(aircraft, flap, high),
                float_high_ft=_float_ft(aircraft, flap, low),
            )
        )
    return sorted(found, key=lambda one: -one.float_ft)


def _latest(
    db: Session, aircraft_of: Mapping[int, CoreAircraft], *, school_id: int
) -> dict[tuple[int, str], tuple[Any, ...]]:
    """The latest laps of each aircraft and flap, in one statement and by index; those without any are left out."""
    pairs = [(aircraft_id, flap.name) for aircraft_id, one in aircraft_of.items() for flap in one.flaps]
    if not pairs:
        return {}
    asked = values(column('aircraft_id', Integer), column('flap', String), name='asked').data(pairs)
    latest = (
        select(Lap.flown)
        .where(
            Lap.school_id == school_id,
            Lap.aircraft_id == asked.c.aircraft_id,
            Lap.flap == asked.c.flap,
            Lap.removed_at.is_(None),
            Lap.flown.is_not(None),
        )
        .order_by(Lap.flown_at.desc())
        .limit(_LAPS)
        .lateral()
    )
    found: dict[tuple[int, str], list[Any]] = {}
    for aircraft_id, flap, flown in db.execute(select(asked, latest.c.flown).join(latest, true())):
        found.setdefault((aircraft_id, flap), []).append(tuple(flown))
    return {pair: tuple(rows) for pair, rows in found.items()}


@lru_cache(500)
def _fit(flown: tuple[Any, ...], prior_deceleration_fps2: float) -> Estimate:
    """What laps as rows keep them tell of the deceleration, kept by the laps themselves."""
    return fit_deceleration(flown_laps(flown), prior_fps2=prior_deceleration_fps2)


def _float_ft(aircraft: CoreAircraft, flap_name: str, deceleration_fps2: float) -> float:
    """Float at the usual weight and approach speed, in still air at sea level, on 3°."""
    flap, weight_lb = aircraft.flap(flap_name), usual_weight_lb(aircraft)
    printed = known_or(flap.normal_approach_kias, flap.rule_approach_kias)
    approach_kt = flap.airspeed_table.calibrated_kt(printed * aircraft.weight_ratio(weight_lb) ** 0.5)
    approach = Approach(
        speed_ktas=approach_kt,
        touchdown_ktas=touchdown_speed_kcas(
            aircraft=aircraft, flap=flap, weight_lb=weight_lb, kind='normal', approach_kcas=approach_kt
        ),
        headwind_kt=0.0,
        path_angle_deg=3.0,
        deceleration_fps2=deceleration_fps2,
        eye_height_ft=aircraft.eye_height_ft,
        wing_height_ft=aircraft.wing_over_wheels_ft,
    )
    return predict(approach).float_ft
