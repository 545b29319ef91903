"""The tables of schools and people: who they are, where they are signed in, and who did what."""

from __future__ import annotations

import uuid
from datetime import datetime

from sqlalchemy import (
    BigInteger,
    CheckConstraint,
    Index,
    String,
    func,
)
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import Mapped, mapped_column

from bullseye.core.basis.constants import AIM_STEP_FT, LEAST_CEILING_FT, LEAST_VISIBILITY_M, MODEL_VERSION
from bullseye.core.record.readiness import NEEDED_CHANCE
from bullseye.core.record.syllabus import STALE_DAYS
from bullseye.store.base import Base, SchoolOwned, owned_key, points_at


class School(Base):
    """A flying school: everything else belongs to one."""

    __tablename__ = 'school'
    __table_args__ = (
        CheckConstraint("second_factor in ('nobody', 'teachers', 'everybody')", name='second_factor_known'),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str] = mapped_column(String(80))
    is_demo: Mapped[bool] = mapped_column(default=False)
    crosswind_limit_kt: Mapped[float | None]  # for students flying alone
    aim_step_ft: Mapped[float] = mapped_column(default=AIM_STEP_FT)  # by which one lap may move the aim point
    least_ceiling_ft: Mapped[float] = mapped_column(default=LEAST_CEILING_FT)  # below it nobody flies the pattern
    least_visibility_m: Mapped[float] = mapped_column(default=LEAST_VISIBILITY_M)
    # of one landing to meet a standard; after which an exercise is flown again; what recent experience is asked for
    needed_chance: Mapped[float] = mapped_column(default=NEEDED_CHANCE, server_default='0.8')
    stale_days: Mapped[int] = mapped_column(default=STALE_DAYS, server_default='30')
    currency_rules: Mapped[list[str]] = mapped_column(
        JSONB, default=lambda: ['three_in_90'], server_default='["three_in_90"]'
    )
    # of which the chief has read how far it moves the aim points; a new school starts with the latest
    second_factor: Mapped[str] = mapped_column(String(10), default='nobody', server_default='nobody')  # asked of whom
    track_bytes: Mapped[int] = mapped_column(BigInteger, server_default='0')  # of recorded flights; a trigger counts
    told_model_version: Mapped[str | None] = mapped_column(String(8), default=MODEL_VERSION)
    created_at: Mapped[datetime] = mapped_column(server_default=func.now())


class User(SchoolOwned, Base):
    """A person of a school."""

    __tablename__ = 'user_account'
    __table_args__ = (
        owned_key(),
        CheckConstraint("role in ('chief', 'instructor', 'student')", name='role_known'),
        CheckConstraint('login = lower(login)', name='login_lower_case'),
        points_at('technique'),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    login: Mapped[str] = mapped_column(String(120), unique=True)
    name: Mapped[str] = mapped_column(String(80))
    role: Mapped[str] = mapped_column(String(12))
    password_hash: Mapped[str] = mapped_column(String(200))
    is_active: Mapped[bool] = mapped_column(default=True)
    # the second factor: encrypted by the server's own key; one begun and not yet confirmed; the step last used
    totp_secret: Mapped[str | None] = mapped_column(String(300))
    totp_pending: Mapped[str | None] = mapped_column(String(300))
    totp_step: Mapped[int | None] = mapped_column(BigInteger)
    recovery_codes: Mapped[list[str]] = mapped_column(JSONB, default=list, server_default='[]')  # digests
    former_names: Mapped[list[str]] = mapped_column(JSONB, default=list, server_default='[]')
    erased_at: Mapped[datetime | None]  # then nobody signs in as this person again
    session_epoch: Mapped[int] = mapped_column(default=1)  # goes up to end all sessions of this person
    crosswind_limit_kt: Mapped[float | None]
    technique_id: Mapped[int | None]  # an instructor's own; new sorties start with it
    language: Mapped[str | None] = mapped_column(String(8))  # none: the one that their device asks for
    calendar_key_hash: Mapped[str | None] = mapped_column(String(64), unique=True)  # of their secret calendar link

    # what Flask-Login asks of a person
    is_authenticated = True
    is_anonymous = False
    must_set_second_factor = False  # of no column
    sign_in_id = None  # type: uuid.UUID | None  # by which a request came in; of no column

    def get_id(self) -> str:
        """What the session cookie holds: the person, the epoch and the sign-in, so that it can be ended by each."""
        return f'{self.id}.{self.session_epoch}.{self.sign_in_id}'


class Invitation(SchoolOwned, Base):
    """A link by which one person may join a school, once."""

    __tablename__ = 'invitation'
    __table_args__ = (CheckConstraint("role in ('chief', 'instructor', 'student')", name='role_known'),)

    id: Mapped[int] = mapped_column(primary_key=True)
    token_hash: Mapped[str] = mapped_column(String(64), unique=True)
    name: Mapped[str] = mapped_column(String(80))
    role: Mapped[str] = mapped_column(String(12))
    expires_at: Mapped[datetime]
    used_at: Mapped[datetime | None]
    person_id: Mapped[int | None]  # who sets their password anew by it; None: somebody new joins
    issued_by: Mapped[int | None]  # who made it; None: asked for by mail, or made before this was kept
    withdrawn_at: Mapped[datetime | None]


class SignIn(SchoolOwned, Base):
    """One sign-in on one device; the cookie names it, and is worth nothing once it has ended."""

    __tablename__ = 'sign_in'
    __table_args__ = (points_at('user_account', 'person_id'), Index(None, 'school_id', 'person_id', 'seen_at'))

    id: Mapped[uuid.UUID] = mapped_column(primary_key=True)
    person_id: Mapped[int]
    device: Mapped[str] = mapped_column(String(200))
    begun_at: Mapped[datetime]
    seen_at: Mapped[datetime]
    ended_at: Mapped[datetime | None]


class Deed(SchoolOwned, Base):
    """Something that somebody did; never changed, whatever becomes of the person."""

    __tablename__ = 'deed'
    __table_args__ = (Index(None, 'school_id', 'id'), Index('ix_deed_what', 'school_id', 'what', 'id'))

    id: Mapped[int] = mapped_column(BigInteger, primary_key=True)
    done_at: Mapped[datetime] = mapped_column(server_default=func.now())
    by_id: Mapped[int | None]
    by_name: Mapped[str] = mapped_column(String(80))
    what: Mapped[str] = mapped_column(String(24))
    words: Mapped[str] = mapped_column(String(400))
