"""The tables of people beside who they are: where they are signed in, and who did what."""

from __future__ import annotations

import uuid
from datetime import datetime

from sqlalchemy import BigInteger, Index, String, func
from sqlalchemy.orm import Mapped, mapped_column

from bullseye.store.base import Base, SchoolOwned, points_at


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
