"""The tables of what a school flies with and by: aircraft, fields, techniques and standards."""

from __future__ import annotations

from datetime import datetime

from sqlalchemy import (
    String,
    UniqueConstraint,
)
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import Mapped, mapped_column, relationship

from bullseye.store.base import Base, Json, SchoolOwned, owned_key, points_at


class Aircraft(SchoolOwned, Base):
    """An aircraft of the school; ``spec`` is what the core's Aircraft is built from."""

    __tablename__ = 'aircraft'
    __table_args__ = (owned_key(), UniqueConstraint('school_id', 'name'))

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str] = mapped_column(String(80))
    spec: Mapped[Json]
    revision: Mapped[int] = mapped_column(default=1, server_default='1')  # goes up with every change
    removed_at: Mapped[datetime | None]


class Airfield(SchoolOwned, Base):
    """A field the school flies from."""

    __tablename__ = 'airfield'
    __table_args__ = (owned_key(), UniqueConstraint('school_id', 'name'))

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str] = mapped_column(String(80))
    ident: Mapped[str] = mapped_column(String(8))
    is_fictional: Mapped[bool] = mapped_column(default=False)
    elevation_ft: Mapped[float]
    pattern_altitude_ft: Mapped[float]
    marks: Mapped[list[Json]] = mapped_column(JSONB, default=list)  # what GroundMarks are built from
    revision: Mapped[int] = mapped_column(default=1, server_default='1')  # goes up with every change
    removed_at: Mapped[datetime | None]
    ends: Mapped[list[RunwayEnd]] = relationship(back_populates='airfield', order_by='RunwayEnd.id')


class RunwayEnd(SchoolOwned, Base):
    """One landing direction of a runway; ``spec`` is what the core's RunwayEnd is built from."""

    __tablename__ = 'runway_end'
    __table_args__ = (
        owned_key(),
        points_at('airfield'),
        UniqueConstraint('school_id', 'airfield_id', 'ident'),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    airfield_id: Mapped[int]
    ident: Mapped[str] = mapped_column(String(4))
    threshold_lat_deg: Mapped[float]
    threshold_lon_deg: Mapped[float]
    spec: Mapped[Json]
    removed_at: Mapped[datetime | None]
    airfield: Mapped[Airfield] = relationship(back_populates='ends')


class Technique(SchoolOwned, Base):
    """A school of thought; ``spec`` is what the core's Technique is built from."""

    __tablename__ = 'technique'
    __table_args__ = (
        owned_key(),
        UniqueConstraint('school_id', 'name'),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str] = mapped_column(String(80))
    spec: Mapped[Json]
    is_built_in: Mapped[bool] = mapped_column(default=False)  # read-only; a copy can be changed
    revision: Mapped[int] = mapped_column(default=1, server_default='1')  # goes up with every change
    removed_at: Mapped[datetime | None]


class Standard(SchoolOwned, Base):
    """A set of tolerances; ``spec`` is what the core's Standard is built from."""

    __tablename__ = 'standard'
    __table_args__ = (owned_key(), UniqueConstraint('school_id', 'name'))

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str] = mapped_column(String(80))
    spec: Mapped[Json]
    is_built_in: Mapped[bool] = mapped_column(default=False)  # read-only; a copy can be changed
    revision: Mapped[int] = mapped_column(default=1, server_default='1')  # goes up with every change
    removed_at: Mapped[datetime | None]
