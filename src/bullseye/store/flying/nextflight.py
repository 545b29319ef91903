"""The flight that a next lesson would be: the one that is booked, else as the last one was."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import UTC, date, datetime

from sqlalchemy import select
from sqlalchemy.orm import Session

from bullseye.core.air.sun import sun_at
from bullseye.core.air.wind import Wind, components
from bullseye.core.given.standards import Standard as CoreStandard
from bullseye.core.record.setting import Setting
from bullseye.store.equipment import catalogue
from bullseye.store.flying.requests import planned_at, weather_given
from bullseye.store.rows.flying import Sortie
from bullseye.store.rows.people import School, User


@dataclass(frozen=True, slots=True, kw_only=True)
class NextFlight:
    """The row it is taken from, and what it allows."""

    sortie: Sortie
    is_booked: bool
    setting: Setting


def next_flight(
    db: Session, student: User, *, school: School, standard: CoreStandard, today: date
) -> NextFlight | None:
    """What the next flight of a student would be; None before the first."""
    mine = (
        select(Sortie)
        .where(
            Sortie.school_id == student.school_id,
            Sortie.student_id == student.id,
            Sortie.removed_at.is_(None),
            Sortie.cancelled_for.is_(None),
        )
        .limit(1)
    )
    booked = db.scalar(mine.where(Sortie.planned_on >= today).order_by(Sortie.planned_on, Sortie.id))
    sortie = booked or db.scalar(mine.order_by(Sortie.planned_on.desc(), Sortie.id.desc()))
    if sortie is None:
        return None
    limits_kt = [one for one in (school.crosswind_limit_kt, student.crosswind_limit_kt) if one is not None]
    return NextFlight(
        sortie=sortie,
        is_booked=booked is not None,
        setting=Setting(
            aircraft=catalogue.aircraft_of(sortie.aircraft),
            standard=standard,
            crosswind_kt=_crosswind_kt(sortie) if booked is not None else None,
            alone_limit_kt=min(limits_kt, default=None),
            sun_elevation_deg=_sun_deg(sortie) if booked is not None and sortie.planned_time is not None else None,
            booked_min=sortie.booked_min if booked is not None else None,
        ),
    )


def _crosswind_kt(sortie: Sortie) -> float | None:
    """Of the wind that was given for the hour of the flight; None of an old one, or of none."""
    if sortie.wind_kt is None or weather_given(sortie, now=datetime.now(UTC)) != 'current':
        return None
    wind = Wind(direction_deg_true=sortie.wind_dir_deg_true, speed_kt=sortie.wind_kt, gust_kt=sortie.gust_kt)
    return components(wind, course_deg_true=catalogue.runway_of(sortie.runway_end).course_deg_true).cross_kt


def _sun_deg(sortie: Sortie) -> float:
    end = sortie.runway_end
    at = planned_at(sortie, longitude_deg=end.threshold_lon_deg)
    return sun_at(lat_deg=end.threshold_lat_deg, lon_deg=end.threshold_lon_deg, at=at).elevation_deg
