"""Background work: its queue lives in the same PostgreSQL, so any process may hand in work and any worker do it."""

from __future__ import annotations

import uuid
from contextlib import suppress
from threading import Lock
from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from procrastinate import App

ANALYSE = 'analyse'
TAKE_UP = 'analyse files that wait unheeded'
MAIL = 'send a link for a new password'
REWORK = 'work out again what an older model made'
LOOK = 'look at what the pilots of a school have in common'


def plain_url(url: str) -> str:
    """An address of SQLAlchemy as the driver takes it."""
    return url.replace('postgresql+psycopg://', 'postgresql://', 1)


def lock_of(school_id: int, file_id: uuid.UUID) -> str:
    """What keeps one file from waiting twice."""
    return f'{ANALYSE} {school_id} {file_id}'


class Queue:
    """Where the web processes hand in work; it is loaded, and its connection opened, with the first."""

    def __init__(self, url: str) -> None:
        self._url = url
        self._opening = Lock()
        self._app: App | None = None

    def analyse(self, school_id: int, file_id: uuid.UUID) -> None:
        """Have a track file analysed; handing it in again while it waits changes nothing."""
        from procrastinate.exceptions import AlreadyEnqueued

        task = self._opened().configure_task(ANALYSE, queueing_lock=lock_of(school_id, file_id))
        with suppress(AlreadyEnqueued):
            task.defer(school_id=school_id, file_id=str(file_id))

    def mail_link(self, login: str, at: str) -> None:
        """Have a link for a new password sent to whoever has a login; what it is made of never waits in the queue.

        :param at: the address that the link leads to, without its secret
        """
        self._opened().configure_task(MAIL).defer(login=login, at=at)

    def _opened(self) -> App:
        from procrastinate import App, SyncPsycopgConnector

        with self._opening:
            if self._app is None:
                # its pool looks at a connection before use, so that a restart of the database is survived
                app = App(connector=SyncPsycopgConnector(conninfo=plain_url(self._url), min_size=0, max_size=2))
                app.open()
                self._app = app
            return self._app

    def close(self) -> None:
        """Give the connections back."""
        with self._opening:
            if self._app is not None:
                self._app.close()
                self._app = None
