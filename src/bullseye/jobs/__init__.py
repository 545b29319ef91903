"""Background work: its queue lives in the same PostgreSQL, so any process may hand in work and any worker do it."""

from __future__ import annotations

import uuid
from contextlib import suppress
from threading import Lock

from procrastinate import App, SyncPsycopgConnector
from procrastinate.exceptions import AlreadyEnqueued

ANALYSE = 'analyse'
TAKE_UP = 'take up what nobody handed in'


def plain_url(url: str) -> str:
    """An address of SQLAlchemy as the driver takes it."""
    return url.replace('postgresql+psycopg://', 'postgresql://', 1)


def lock_of(school_id: int, file_id: uuid.UUID) -> str:
    """What keeps one file from waiting twice."""
    return f'{ANALYSE} {school_id} {file_id}'


class Queue:
    """Where the web processes hand in work; its connection is opened with the first."""

    def __init__(self, url: str) -> None:
        # its pool looks at a connection before use, so that a restart of the database is survived
        self._app = App(connector=SyncPsycopgConnector(conninfo=plain_url(url), min_size=0, max_size=2))
        self._opening = Lock()
        self._is_open = False

    def analyse(self, school_id: int, file_id: uuid.UUID) -> None:
        """Have a track file analysed; handing it in again while it waits changes nothing."""
        with self._opening:
            if not self._is_open:
                self._app.open()
                self._is_open = True
        task = self._app.configure_task(ANALYSE, queueing_lock=lock_of(school_id, file_id))
        with suppress(AlreadyEnqueued):
            task.defer(school_id=school_id, file_id=str(file_id))

    def close(self) -> None:
        """Give the connections back."""
        with self._opening:
            if self._is_open:
                self._app.close()
                self._is_open = False
