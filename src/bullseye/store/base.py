"""The declarative base: naming of constraints, types, and the mark of a row that belongs to a school."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from sqlalchemy import CheckConstraint, DateTime, ForeignKey, ForeignKeyConstraint, MetaData, UniqueConstraint
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column

NAMING = {
    'ix': 'ix_%(table_name)s_%(column_0_N_name)s',
    'uq': 'uq_%(table_name)s_%(column_0_N_name)s',
    'ck': 'ck_%(table_name)s_%(constraint_name)s',
    'fk': 'fk_%(table_name)s_%(column_0_N_name)s',
    'pk': 'pk_%(table_name)s',
}
Json = dict[str, Any]


class Base(DeclarativeBase):
    """Base of all rows."""

    metadata = MetaData(naming_convention=NAMING)
    # none_as_null: a value that is not there is SQL's null, not JSON's
    type_annotation_map = {datetime: DateTime(timezone=True), Json: JSONB(none_as_null=True)}  # noqa: RUF012


class SchoolOwned:
    """A row of one school; sessions see only those of theirs (see :mod:`bullseye.store.scope`)."""

    school_id: Mapped[int] = mapped_column(ForeignKey('school.id', ondelete='CASCADE'))


def owned_key() -> UniqueConstraint:
    """Let other tables point at a row together with its school, so that no row can mix two schools."""
    return UniqueConstraint('school_id', 'id')


def points_at(table: str, column: str | None = None) -> ForeignKeyConstraint:
    """Foreign key to a row of the same school."""
    return ForeignKeyConstraint(
        ['school_id', column or f'{table}_id'], [f'{table}.school_id', f'{table}.id'], ondelete='RESTRICT'
    )


def in_range(column: str, *, of: str = 'timestamptz', unless: str = '') -> CheckConstraint:
    """Keep a time or a day within the years that can be read back and moved to any zone, 2000 to 2099."""
    end = 'T00:00Z' if of == 'timestamptz' else ''
    within = f"{column} >= {of} '2000-01-01{end}' and {column} < {of} '2100-01-01{end}'"
    return CheckConstraint(f'{unless} or ({within})' if unless else within, name=f'{column}_in_range')
