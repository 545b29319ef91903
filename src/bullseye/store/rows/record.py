"""The tables of the student's record: syllabus, notes, sign-offs, homework, logbook, and where each one stands."""

from __future__ import annotations

import uuid
from datetime import date, datetime

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
from sqlalchemy.orm import Mapped, mapped_column

from bullseye.store.base import Base, Json, SchoolOwned, in_range, points_at


class Exercise(SchoolOwned, Base):
    """An exercise of the school's own syllabus; a school without any teaches the built-in one.

    ``spec`` is what the core's Exercise is built from.
    """

    __tablename__ = 'exercise'
    __table_args__ = (UniqueConstraint('school_id', 'code'),)

    id: Mapped[int] = mapped_column(primary_key=True)
    code: Mapped[str] = mapped_column(String(40))
    position: Mapped[int]
    spec: Mapped[Json]
    removed_at: Mapped[datetime | None]  # retired: no longer taught, its record stays


class ExerciseNote(SchoolOwned, Base):
    """That an exercise was introduced or practised, as an instructor noted it."""

    __tablename__ = 'exercise_note'
    __table_args__ = (
        points_at('user_account', 'student_id'),
        points_at('user_account', 'noted_by'),
        points_at('sortie'),
        Index(None, 'school_id', 'student_id', 'code', 'noted_on'),
        CheckConstraint("noted in ('introduced', 'practised')", name='noted_known'),
        in_range('noted_on', of='date'),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    student_id: Mapped[int]
    code: Mapped[str] = mapped_column(String(40))
    noted: Mapped[str] = mapped_column(String(12))
    noted_on: Mapped[date]
    noted_by: Mapped[int]
    sortie_id: Mapped[int | None]
    words: Mapped[str | None] = mapped_column(String(400))
    removed_at: Mapped[datetime | None]


class SignOff(SchoolOwned, Base):
    """What an instructor signed, with their password; never changed, corrected only by a later one.

    ``evidence`` is what the record showed at that moment, warnings included.
    """

    __tablename__ = 'sign_off'
    __table_args__ = (
        points_at('user_account', 'student_id'),
        points_at('user_account', 'signed_by'),
        points_at('aircraft'),
        Index(None, 'school_id', 'student_id', 'signed_at'),
        CheckConstraint(
            "kind in ('exercise', 'first_solo', 'check_out', 'recommendation', 'correction')", name='kind_known'
        ),
        in_range('signed_at'),
    )

    school_id: Mapped[int] = mapped_column(ForeignKey('school.id', ondelete='CASCADE'), primary_key=True)
    id: Mapped[uuid.UUID] = mapped_column(primary_key=True)  # made by the client, so that sending twice is harmless
    student_id: Mapped[int]
    kind: Mapped[str] = mapped_column(String(16))
    code: Mapped[str | None] = mapped_column(String(40))  # of an exercise
    aircraft_id: Mapped[int | None]  # of a check-out
    words: Mapped[str] = mapped_column(String(400))
    standard: Mapped[str | None] = mapped_column(String(80))
    edition: Mapped[str | None] = mapped_column(String(80))
    evidence: Mapped[Json]
    valid_until: Mapped[date | None]
    corrects: Mapped[uuid.UUID | None]  # the sign-off that no longer holds
    signed_by: Mapped[int]
    signed_at: Mapped[datetime]


class Homework(SchoolOwned, Base):
    """What a student is to do between lessons."""

    __tablename__ = 'homework'
    __table_args__ = (
        points_at('user_account', 'student_id'),
        points_at('user_account', 'set_by'),
        Index(None, 'school_id', 'student_id', 'id'),
        CheckConstraint("kind in ('drill', 'reading', 'flow', 'calls', 'other')", name='kind_known'),
        in_range('due_on', of='date'),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    student_id: Mapped[int]
    kind: Mapped[str] = mapped_column(String(8))
    words: Mapped[str] = mapped_column(String(400))
    fault: Mapped[str | None] = mapped_column(String(24))  # the page of a fault that it sends to
    due_on: Mapped[date | None]
    set_by: Mapped[int]
    set_at: Mapped[datetime] = mapped_column(server_default=func.now())
    done_at: Mapped[datetime | None]
    seen_at: Mapped[datetime | None]  # by an instructor
    removed_at: Mapped[datetime | None]


class Practice(SchoolOwned, Base):
    """One drill on the ground: what it measured, as the server judged it from the answers; never changed.

    ``low`` and ``high`` hold 95 % of the figure; ``conditions`` name runway and aircraft.
    """

    __tablename__ = 'practice'
    __table_args__ = (
        points_at('user_account', 'person_id'),
        Index(None, 'school_id', 'person_id', 'practised_at'),
        CheckConstraint("drill in ('path', 'roundout')", name='drill_known'),
        in_range('practised_at'),
    )

    school_id: Mapped[int] = mapped_column(ForeignKey('school.id', ondelete='CASCADE'), primary_key=True)
    id: Mapped[uuid.UUID] = mapped_column(primary_key=True)  # of the pictures or films that were handed out
    person_id: Mapped[int]
    drill: Mapped[str] = mapped_column(String(16))
    practised_at: Mapped[datetime]
    figure: Mapped[float]
    low: Mapped[float]
    high: Mapped[float]
    items: Mapped[int]
    conditions: Mapped[Json]
    answers: Mapped[list[Json]] = mapped_column(JSONB)


class LogEntry(SchoolOwned, Base):
    """One line of a person's logbook; ``spec`` is what the core's line is built from."""

    __tablename__ = 'log_entry'
    __table_args__ = (
        points_at('user_account', 'person_id'),
        points_at('sortie'),
        Index(None, 'school_id', 'person_id', 'flown_on', 'id'),
        Index(
            'uq_log_entry_once',
            *('school_id', 'person_id', 'digest'),
            unique=True,
            postgresql_where=text('removed_at is null'),
        ),
        in_range('flown_on', of='date'),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    person_id: Mapped[int]
    sortie_id: Mapped[int | None]
    flown_on: Mapped[date]
    digest: Mapped[str] = mapped_column(String(64))  # of what makes two lines the same flight
    spec: Mapped[Json]
    created_at: Mapped[datetime] = mapped_column(server_default=func.now())
    removed_at: Mapped[datetime | None]


class Standing(SchoolOwned, Base):
    """What the laps of a student show in one kind of landing; a trigger drops it when one of them changes."""

    __tablename__ = 'standing'
    __table_args__ = (points_at('user_account', 'student_id'),)

    school_id: Mapped[int] = mapped_column(ForeignKey('school.id', ondelete='CASCADE'), primary_key=True)
    student_id: Mapped[int] = mapped_column(primary_key=True)
    landing: Mapped[str] = mapped_column(String(16), primary_key=True)
    model_version: Mapped[str] = mapped_column(String(16))
    flown: Mapped[list[Json]] = mapped_column(JSONB)  # the latest laps as the core's Flown
    laps: Mapped[int]
    shown: Mapped[Json] = mapped_column(default=dict)  # what they show, by tolerance and chance asked for
    made_at: Mapped[datetime] = mapped_column(server_default=func.now())
