"""Alembic's way into the tables; the address comes from whoever runs it."""

from __future__ import annotations

from alembic import context
from sqlalchemy import NullPool, create_engine

from bullseye.store import rows as _rows  # noqa: F401 - the tables are known once they are read
from bullseye.store.base import Base

with create_engine(context.config.get_main_option('sqlalchemy.url') or '', poolclass=NullPool).connect() as connection:
    context.configure(
        connection=connection,
        target_metadata=Base.metadata,
        compare_type=True,
        # the queue of background work has tables of its own, which its library describes
        include_name=lambda name, kind, _: kind != 'table' or not str(name).startswith('procrastinate'),
    )
    with context.begin_transaction():
        context.run_migrations()
    connection.commit()
