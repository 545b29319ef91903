"""The tables of sorties and laps, and of what laps teach."""

from __future__ import annotations

import uuid
from datetime import date, datetime, time
from typing import Any

from sqlalchemy import (
    CheckConstraint,
    ForeignKey,
    ForeignKeyConstraint,
    Index,
    String,
    false,
    func,
    text,
)
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import Mapped, mapped_column, relationship

from bullseye.store.base import Base, Json, SchoolOwned, in_range, owned_key, points_at
from bullseye.store.rows.equipment import Aircraft, RunwayEnd, Standard, Technique
from bullseye.store.rows.people import School, User


class Sortie(SchoolOwned, Base):
    """One flight: who, what, where, and the wind and air it is briefed with."""

    __tablename__ = 'sortie'
    __table_args__ = (
        owned_key(),
        points_at('user_account', 'student_id'),
        points_at('user_account', 'instructor_id'),
        points_at('aircraft'),
        points_at('runway_end'),
        points_at('standard'),
        points_at('technique'),
        Index(None, 'school_id', 'planned_on', 'id'),
        Index(None, 'school_id', 'student_id', 'planned_on', 'id'),
        Index(None, 'school_id', 'instructor_id', 'planned_on', 'id'),
        Index(None, 'school_id', 'aircraft_id', 'planned_on', 'id'),
        in_range('weather_at'),
        CheckConstraint(
            "landing in ('normal', 'crosswind', 'short_field', 'soft_field', 'power_off', 'no_flap', 'forward_slip', "
            "'three_point', 'wheel_landing')",
            name='landing_known',
        ),
        CheckConstraint("wind_source in ('hand', 'report', 'sock')", name='wind_source_known'),
        CheckConstraint("wind_reference in ('true', 'magnetic')", name='wind_reference_known'),
        CheckConstraint('gust_kt is null or gust_kt >= wind_kt', name='gust_not_below_wind'),
        CheckConstraint('(wind_kt is null) = (weather_at is null)', name='no_wind_is_no_calm'),
        in_range('planned_on', of='date'),
        CheckConstraint("takeoff in ('normal', 'crosswind', 'short_field', 'soft_field')", name='takeoff_known'),
        CheckConstraint(
            "surface_state in ('dry', 'wet', 'long_grass', 'soft', 'snow_or_ice')", name='surface_state_known'
        ),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    planned_on: Mapped[date]
    student_id: Mapped[int]
    instructor_id: Mapped[int]
    aircraft_id: Mapped[int]
    runway_end_id: Mapped[int]
    standard_id: Mapped[int]
    technique_id: Mapped[int]
    landing: Mapped[str] = mapped_column(String(16))
    flap: Mapped[str] = mapped_column(String(80))
    weight_lb: Mapped[float]
    spot_ft: Mapped[float]
    approach_speed_kias: Mapped[float | None]  # None: as worked out
    wind_dir_deg_true: Mapped[float | None]  # None: variable, or calm
    wind_reference: Mapped[str] = mapped_column(String(8), default='magnetic')  # north of the direction as it was given
    wind_kt: Mapped[float | None]  # None: nobody has given it, which is no calm
    gust_kt: Mapped[float | None]
    temperature_c: Mapped[float]
    qnh_hpa: Mapped[float]
    takeoff: Mapped[str] = mapped_column(String(16), default='normal')
    pattern: Mapped[Json | None]  # what the core's PatternChoice is built from; None: the usual one
    metar: Mapped[str | None] = mapped_column(String(600))  # the report beside which the wind was decided
    surface_state: Mapped[str] = mapped_column(String(12), default='dry')
    # numbers that the instructor set, each with its reason
    overruled: Mapped[list[Json] | None] = mapped_column(JSONB(none_as_null=True))
    wind_source: Mapped[str] = mapped_column(String(8), default='hand')  # what the sock says wins over any report
    weather_at: Mapped[datetime | None]  # when wind and air were given; None: never
    planned_time: Mapped[time | None]  # UTC; for glare and daylight
    booked_min: Mapped[float] = mapped_column(default=60.0)
    fuel_gal: Mapped[float | None]
    lap_plan: Mapped[list[Json] | None] = mapped_column(JSONB(none_as_null=True))  # as ordered; null: as worked out
    alone: Mapped[bool] = mapped_column(default=False, server_default=false())  # a student without an instructor
    is_mock_test: Mapped[bool] = mapped_column(default=False, server_default=false())
    from_demo: Mapped[bool] = mapped_column(default=False)
    revision: Mapped[int] = mapped_column(server_default='1')  # goes up with every change
    created_at: Mapped[datetime] = mapped_column(server_default=func.now())
    cancelled_for: Mapped[str | None] = mapped_column(String(200))  # why it is not flown; None: it is
    removed_at: Mapped[datetime | None]
    __mapper_args__ = {'version_id_col': revision}  # noqa: RUF012 - as SQLAlchemy reads it
    school: Mapped[School] = relationship(viewonly=True)
    student: Mapped[User] = relationship(foreign_keys='[Sortie.school_id, Sortie.student_id]', viewonly=True)
    instructor: Mapped[User] = relationship(foreign_keys='[Sortie.school_id, Sortie.instructor_id]', viewonly=True)
    aircraft: Mapped[Aircraft] = relationship(viewonly=True)
    runway_end: Mapped[RunwayEnd] = relationship(viewonly=True)
    standard: Mapped[Standard] = relationship(viewonly=True)
    technique: Mapped[Technique] = relationship(viewonly=True)


class Version(SchoolOwned, Base):
    """An aircraft, runway end, standard or technique as laps were flown by it; named by its content, never changed."""

    __tablename__ = 'version'
    __table_args__ = (CheckConstraint("kind in ('aircraft', 'runway', 'standard', 'technique')", name='kind_known'),)

    school_id: Mapped[int] = mapped_column(ForeignKey('school.id', ondelete='CASCADE'), primary_key=True)
    id: Mapped[uuid.UUID] = mapped_column(primary_key=True)  # digest of kind and spec
    kind: Mapped[str] = mapped_column(String(12))
    spec: Mapped[Json]


_TEACHES = text('removed_at is null and flown is not null')


class Lap(SchoolOwned, Base):
    """One lap as measured, from the landing threshold; unknown is null.

    The brief it was flown by is kept whole, so that every result can be had again: what never changes in versions,
    the rest here. ``flown`` is what learning takes from it, as ``model_version`` of our model made it; null when no
    touchdown was seen.
    """

    __tablename__ = 'lap'
    __table_args__ = (
        points_at('sortie'),
        points_at('user_account', 'student_id'),
        points_at('aircraft'),
        points_at('runway_end'),
        points_at('version', 'aircraft_version'),
        points_at('version', 'runway_version'),
        points_at('version', 'standard_version'),
        points_at('version', 'technique_version'),
        Index(None, 'school_id', 'sortie_id'),
        Index(None, 'school_id', 'model_version'),
        Index(None, 'school_id', 'student_id', 'flown_at'),
        # what teaches, latest first: of an aircraft and flap, of a pilot, of a pilot in one kind
        Index('ix_lap_teaches_of_aircraft', 'school_id', 'aircraft_id', 'flap', 'flown_at', postgresql_where=_TEACHES),
        Index(
            'ix_lap_teaches_of_pilot',
            *('school_id', 'student_id', 'aircraft_id', 'flap', 'landing', 'flown_at'),
            postgresql_where=_TEACHES,
        ),
        CheckConstraint(
            "outcome in ('full_stop', 'touch_and_go', 'stop_and_go', 'go_around', 'low_approach', 'drill')",
            name='outcome_known',
        ),
        CheckConstraint(
            "outcome not in ('go_around', 'low_approach', 'drill') or along_ft is null",
            name='go_around_has_no_touchdown',
        ),
        CheckConstraint("excluded in ('gust', 'traffic', 'instructor_flew', 'other')", name='excluded_known'),
        CheckConstraint("flown_by in ('student', 'instructor')", name='flown_by_known'),
        CheckConstraint('float_s >= 0', name='float_not_negative'),
        CheckConstraint('gust_kt is null or gust_kt >= wind_kt', name='lap_gust_not_below_wind'),
        in_range('flown_at'),
        ForeignKeyConstraint(
            ['school_id', 'track_file_id'], ['track_file.school_id', 'track_file.id'], ondelete='RESTRICT'
        ),
        Index('ix_lap_of_track', 'school_id', 'track_file_id', postgresql_where=text('track_file_id is not null')),
        CheckConstraint("drift in ('left', 'none', 'right')", name='drift_known'),
    )

    school_id: Mapped[int] = mapped_column(ForeignKey('school.id', ondelete='CASCADE'), primary_key=True)
    id: Mapped[uuid.UUID] = mapped_column(primary_key=True)  # made by the client, so that sending twice is harmless
    sortie_id: Mapped[int]
    student_id: Mapped[int]
    aircraft_id: Mapped[int]
    flap: Mapped[str] = mapped_column(String(80))
    flown_at: Mapped[datetime]
    outcome: Mapped[str] = mapped_column(String(16))
    along_ft: Mapped[float | None]
    lateral_ft: Mapped[float | None]
    threshold_speed_kias: Mapped[float | None]
    float_s: Mapped[float | None]
    aim_flown_ft: Mapped[float | None]  # as a track measured it
    drift: Mapped[str | None] = mapped_column(String(8))
    bounced: Mapped[bool | None]
    ballooned: Mapped[bool | None]
    wind_dir_deg_true: Mapped[float | None]  # as read on this lap; None with a speed: variable
    wind_kt: Mapped[float | None]
    gust_kt: Mapped[float | None]
    marks: Mapped[list[str]] = mapped_column(JSONB, default=list)  # what else was seen
    noted: Mapped[Json | None] = mapped_column(JSONB(none_as_null=True))  # the core's Noted
    note: Mapped[str | None] = mapped_column(String(200))
    excluded: Mapped[str | None] = mapped_column(String(16))  # why it teaches nothing; null: it does
    flown_by: Mapped[str | None] = mapped_column(String(12))
    liftoff_ft: Mapped[float | None]  # from the start of the takeoff roll
    landing: Mapped[str] = mapped_column(String(16))  # the kind of this lap, which may differ from the sortie's
    runway_end_id: Mapped[int]  # it flew to this one, which may differ from the sortie's
    revision: Mapped[int] = mapped_column(default=1)  # goes up with every change
    last_device: Mapped[uuid.UUID | None]  # which wrote last; null: no device said
    writers: Mapped[dict[str, int]] = mapped_column(JSONB, default=dict)  # the last change of each device
    known_by: Mapped[Json]  # how each measured value was known: tapped, timed, read, tracked, corrected
    # where a track has measured it too: by value and by how, each reading with its half-width
    readings: Mapped[dict[str, Any]] = mapped_column(JSONB, default=dict)
    around: Mapped[Json | None] = mapped_column(JSONB(none_as_null=True))  # the rest of the lap, as a track measured it
    track_file_id: Mapped[uuid.UUID | None]
    track_event: Mapped[int | None]  # which of its events this lap ended with
    # what it was flown by
    aircraft_version: Mapped[uuid.UUID]
    runway_version: Mapped[uuid.UUID]
    standard_version: Mapped[uuid.UUID]
    technique_version: Mapped[uuid.UUID]
    weight_lb: Mapped[float]
    spot_ft: Mapped[float]
    aim_point_ft: Mapped[float | None]  # None: as worked out
    approach_speed_kias: Mapped[float | None]  # None: as worked out
    briefed_wind_deg_true: Mapped[float | None]  # None: variable, or calm
    briefed_wind_kt: Mapped[float | None]  # None: nobody had given it
    briefed_gust_kt: Mapped[float | None]
    temperature_c: Mapped[float]
    qnh_hpa: Mapped[float]
    school_crosswind_limit_kt: Mapped[float | None]
    student_crosswind_limit_kt: Mapped[float | None]
    overruled: Mapped[list[Json] | None] = mapped_column(JSONB(none_as_null=True))  # that it was flown by
    conditions: Mapped[Json | None] = mapped_column(JSONB(none_as_null=True))  # surface and weather, where not usual
    # figures of the core's Calibration in its order: what had been learned before this lap; earlier ones have names
    belief: Mapped[list[Any] | Json] = mapped_column(JSONB)
    # what follows from it
    flown: Mapped[list[Any] | None] = mapped_column(JSONB(none_as_null=True))
    model_version: Mapped[str] = mapped_column(String(16))
    removed_at: Mapped[datetime | None]
    recorded_by: Mapped[int]
    written_by: Mapped[int | None]  # who wrote it as it stands; null: who recorded it


class PopulationSnapshot(SchoolOwned, Base):
    """What the pilots of a school were like when they were looked at: priors by kind of landing, numbered.

    ``kinds`` holds the core's Population by kind; never changed once made.
    """

    __tablename__ = 'population_snapshot'

    school_id: Mapped[int] = mapped_column(ForeignKey('school.id', ondelete='CASCADE'), primary_key=True)
    number: Mapped[int] = mapped_column(primary_key=True, autoincrement=False)
    model_version: Mapped[str] = mapped_column(String(16))
    made_at: Mapped[datetime]
    kinds: Mapped[Json] = mapped_column(JSONB)


class LapRevision(SchoolOwned, Base):
    """A version of a lap that another device's edit would have covered; both are kept."""

    __tablename__ = 'lap_revision'
    __table_args__ = (
        ForeignKeyConstraint(['school_id', 'lap_id'], ['lap.school_id', 'lap.id'], ondelete='CASCADE'),
        Index(None, 'school_id', 'lap_id'),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    lap_id: Mapped[uuid.UUID]
    revision: Mapped[int]
    values: Mapped[Json]
    written_by: Mapped[int]
    kept_at: Mapped[datetime] = mapped_column(server_default=func.now())
