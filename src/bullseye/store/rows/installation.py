"""The tables of the installation itself."""

from __future__ import annotations

from datetime import datetime

from sqlalchemy import (
    CheckConstraint,
    String,
)
from sqlalchemy.orm import Mapped, mapped_column

from bullseye.store.base import Base


class Installation(Base):
    """The one row about this database itself."""

    __tablename__ = 'installation'
    __table_args__ = (CheckConstraint('id = 1', name='one_row'),)

    id: Mapped[int] = mapped_column(primary_key=True, default=1)
    demo_seeded_at: Mapped[datetime | None]
    setup_code_hash: Mapped[str | None]


class RateWindow(Base):
    """How often something was tried within a window of time; shared by all web processes."""

    __tablename__ = 'rate_window'

    key: Mapped[str] = mapped_column(String(300), primary_key=True)
    count: Mapped[int]
    expires_at: Mapped[datetime]
