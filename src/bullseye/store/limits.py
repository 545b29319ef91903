"""Rate limits counted in PostgreSQL, so that all web processes share them and a restart does not clear them."""

from __future__ import annotations

import time
from datetime import UTC, datetime, timedelta
from typing import Any

from limits.storage import Storage
from sqlalchemy import delete, func, select, text, update
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.exc import SQLAlchemyError

from bullseye.store.database import open_engine
from bullseye.store.rows.installation import RateWindow


class PostgresStorage(Storage):
    """Storage of fixed windows for the ``limits`` package."""

    STORAGE_SCHEME = ['postgresql+psycopg']  # noqa: RUF012

    def __init__(self, uri: str | None = None, wrap_exceptions: bool = False, **options: Any) -> None:
        super().__init__(uri, wrap_exceptions=wrap_exceptions, **options)
        self.engine = open_engine(str(uri))

    @property
    def base_exceptions(self) -> type[Exception]:
        return SQLAlchemyError

    def incr(self, key: str, expiry: int, amount: int = 1) -> int:
        """Count one more try within the window; a window that has run out starts anew."""
        now = datetime.now(UTC)
        fresh = insert(RateWindow).values(key=key[:300], count=amount, expires_at=now + timedelta(seconds=expiry))
        ran_out = RateWindow.expires_at < now
        statement = fresh.on_conflict_do_update(
            index_elements=[RateWindow.key],
            set_={
                'count': text(
                    f'CASE WHEN rate_window.expires_at < now() THEN {int(amount)} '
                    f'ELSE rate_window.count + {int(amount)} END'
                ),
                'expires_at': text(
                    'CASE WHEN rate_window.expires_at < now() THEN excluded.expires_at ELSE rate_window.expires_at END'
                ),
            },
        ).returning(RateWindow.count)
        with self.engine.begin() as connection:
            count = int(connection.execute(statement).scalar_one())
            if count == amount:
                connection.execute(delete(RateWindow).where(ran_out, RateWindow.key != key[:300]))
        return count

    def give_back(self, key: str) -> None:
        """Take back a try that was counted, and was none."""
        counted = (RateWindow.key == key[:300], RateWindow.expires_at > func.now(), RateWindow.count > 0)
        with self.engine.begin() as connection:
            connection.execute(update(RateWindow).where(*counted).values(count=RateWindow.count - 1))

    def get(self, key: str) -> int:
        """Tries counted in the running window."""
        with self.engine.connect() as connection:
            return int(
                connection.execute(
                    select(func.coalesce(func.max(RateWindow.count), 0)).where(
                        RateWindow.key == key[:300], RateWindow.expires_at > func.now()
                    )
                ).scalar_one()
            )

    def get_expiry(self, key: str) -> float:
        """When the running window ends [s since 1970]."""
        with self.engine.connect() as connection:
            ends = connection.execute(select(RateWindow.expires_at).where(RateWindow.key == key[:300])).scalar()
        return ends.timestamp() if ends else time.time()

    def check(self) -> bool:
        """Whether the database answers."""
        with self.engine.connect() as connection:
            return bool(connection.execute(text('select 1')).scalar())

    def reset(self) -> int | None:
        """Forget all windows."""
        with self.engine.begin() as connection:
            return connection.execute(delete(RateWindow)).rowcount

    def clear(self, key: str) -> None:
        """Forget one window."""
        with self.engine.begin() as connection:
            connection.execute(delete(RateWindow).where(RateWindow.key == key[:300]))
