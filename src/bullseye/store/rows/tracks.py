"""The tables of recorded flights."""

from __future__ import annotations

import uuid
from datetime import datetime
from typing import Any, ClassVar

from sqlalchemy import (
    CheckConstraint,
    ForeignKey,
    Index,
    String,
    UniqueConstraint,
    func,
    text,
)
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import Mapped, column_property, mapped_column, relationship

from bullseye.store.base import Base, Json, SchoolOwned, in_range, points_at
from bullseye.store.rows.flying import Sortie


class Track(SchoolOwned, Base):
    """Positions of a sortie as a device recorded them, kept as they came: gzipped JSON, a piece each."""

    __tablename__ = 'track'
    __table_args__ = (
        points_at('sortie'),
        Index(None, 'school_id', 'sortie_id'),
        in_range('begun_at'),
        in_range('ended_at'),
    )

    school_id: Mapped[int] = mapped_column(ForeignKey('school.id', ondelete='CASCADE'), primary_key=True)
    id: Mapped[uuid.UUID] = mapped_column(primary_key=True)  # made by the client, so that sending twice is harmless
    sortie_id: Mapped[int]
    begun_at: Mapped[datetime]
    ended_at: Mapped[datetime]
    fixes: Mapped[int]
    raw: Mapped[bytes]
    recorded_by: Mapped[int]


class TrackFile(SchoolOwned, Base):
    """A recorded flight: the file as it came, what was found in it, and the columns to draw it again.

    ``report`` is what :func:`bullseye.tracks.report.as_dict` makes of the analysis, ``log`` a packed
    :class:`bullseye.tracks.flightlog.FlightLog`; both null until it has been analysed.
    """

    __tablename__ = 'track_file'
    __table_args__ = (
        points_at('sortie'),
        points_at('aircraft'),
        points_at('user_account', 'uploaded_by'),
        Index(
            'ix_track_file_latest',
            *('school_id', text('coalesce(begun_at, created_at)'), 'id'),
            postgresql_where=text('removed_at is null'),
        ),
        Index(
            'ix_track_file_analysed',
            *('school_id', 'analysis_version'),
            postgresql_where=text("state = 'done' and removed_at is null"),
        ),
        Index(None, 'school_id', 'sortie_id'),
        Index(None, 'school_id', 'digest'),
        CheckConstraint("state in ('waiting', 'working', 'done', 'refused', 'columns')", name='state_known'),
        in_range('begun_at', unless='dated is false'),  # without a date times are counted from 1970
        in_range('ended_at', unless='dated is false'),
    )

    school_id: Mapped[int] = mapped_column(ForeignKey('school.id', ondelete='CASCADE'), primary_key=True)
    id: Mapped[uuid.UUID] = mapped_column(primary_key=True)  # made by the client, so that sending twice is harmless
    name: Mapped[str] = mapped_column(String(120))
    size: Mapped[int]
    digest: Mapped[str] = mapped_column(String(64))
    raw: Mapped[bytes | None] = mapped_column(deferred=True)  # null: it was no track, and was not kept
    state: Mapped[str] = mapped_column(String(8), default='waiting')
    progress: Mapped[str] = mapped_column(String(80), default='')
    problem: Mapped[str | None] = mapped_column(String(400))  # why it was refused, for the person who gave it
    attempts: Mapped[int] = mapped_column(default=0)
    format: Mapped[str | None] = mapped_column(String(8))
    device: Mapped[str | None] = mapped_column(String(240))
    columns: Mapped[Json | None]  # how a CSV file is read
    begun_at: Mapped[datetime | None]
    ended_at: Mapped[datetime | None]
    dated: Mapped[bool | None]  # False: the file tells only the time of day
    fixes: Mapped[int | None]
    report: Mapped[Json | None] = mapped_column(JSONB(none_as_null=True), deferred=True)
    log: Mapped[bytes | None] = mapped_column(deferred=True)
    laps: Mapped[int | None]  # how many were found
    analysis_version: Mapped[str | None] = mapped_column(String(16))  # of the analysis that made report and log
    warnings: Mapped[list[str]] = mapped_column(JSONB, default=list)
    aircraft_id: Mapped[int | None]  # whose touchdown speed it was analysed with
    sortie_id: Mapped[int | None]  # as confirmed by a person
    uploaded_by: Mapped[int]
    created_at: Mapped[datetime] = mapped_column(server_default=func.now())
    removed_at: Mapped[datetime | None]
    sortie: Mapped[Sortie | None] = relationship(viewonly=True)
    is_kept: ClassVar[Any]  # whether there is a file to analyse again or to take out


TrackFile.is_kept = column_property(TrackFile.raw.is_not(None))  # without reading fifty megabytes to know it


class CsvColumns(SchoolOwned, Base):
    """How the CSV files of one kind of device are read, as somebody corrected it."""

    __tablename__ = 'csv_columns'
    __table_args__ = (UniqueConstraint('school_id', 'device'),)

    id: Mapped[int] = mapped_column(primary_key=True)
    device: Mapped[str] = mapped_column(String(240))
    columns: Mapped[Json]
