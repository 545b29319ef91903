"""The worker: takes work out of the queue, one piece at a time, until it is stopped."""

from __future__ import annotations

import asyncio
import uuid
from collections.abc import Sequence
from contextlib import suppress
from datetime import UTC, datetime

from procrastinate import App, PsycopgConnector, RetryStrategy
from procrastinate.exceptions import AlreadyEnqueued
from procrastinate.jobs import Status
from sqlalchemy.orm import Session, sessionmaker

from bullseye.core.basis.sentence import Phrasebook, count
from bullseye.core.basis.unknown import known_or
from bullseye.jobs import ANALYSE, LOOK, MAIL, REWORK, TAKE_UP, lock_of, plain_url
from bullseye.jobs.mail import is_mail_address, mail_server
from bullseye.store import scope
from bullseye.store.database import open_engine, session_maker
from bullseye.store.flying import reworking
from bullseye.store.learning import populations
from bullseye.store.people import accounts
from bullseye.store.tracks import trackfiles
from bullseye.words.language import ENGLISH, speaking

_CUT_OFF_S = 90.0  # without a sign of life for so long, a worker is gone


def _make_app(url: str, sessions: sessionmaker[Session]) -> App:
    """The queue with the work it knows."""
    app = App(connector=PsycopgConnector(conninfo=plain_url(url), min_size=1, max_size=4))

    @app.task(name=ANALYSE)
    def analyse_track(*, school_id: int, file_id: str) -> None:
        from bullseye.jobs.analysing import analyse_file  # here: it takes long to load, and may wait for the first file

        analyse_file(sessions, school_id, uuid.UUID(file_id))

    @app.task(name=MAIL, retry=RetryStrategy(max_attempts=4, exponential_wait=8))
    def mail_link(*, login: str, at: str) -> None:
        _mail_link(sessions, login, at)

    @app.task(name=REWORK, queueing_lock=REWORK)
    async def rework() -> None:
        while await asyncio.to_thread(_rework_some, sessions):
            pass
        with sessions() as db:
            scope.see_every_school(db)
            flights = reworking.old_flights(db)
        await _hand_in(app, flights)
        await asyncio.to_thread(_look, sessions)  # by what the new model made of the laps

    @app.periodic(cron='*/2 * * * *')
    @app.task(name=TAKE_UP, queueing_lock=TAKE_UP)
    async def take_up(timestamp: int) -> None:
        await _take_up(app, sessions)

    @app.periodic(cron='17 * * * *')
    @app.task(name=LOOK, queueing_lock=LOOK)
    async def look(timestamp: int) -> None:
        await asyncio.to_thread(_look, sessions)

    return app


_BOOK = Phrasebook('letter')


def _letter(found: accounts.Forgotten, link: str) -> tuple[str, str]:
    """Subject and text of the letter with the link for a new password, in the language that is spoken."""
    why = _BOOK.say('password_why', school=found.school, hours=count(accounts.HOURS))
    parts = (_BOOK.say('password_greeting', name=found.name), why, link, _BOOK.say('password_else'))
    return str(_BOOK.say('password_subject', school=found.school)), '\n\n'.join(map(str, parts)) + '\n'


def _mail_link(sessions: sessionmaker[Session], login: str, at: str) -> None:
    """Send somebody the link that sets their password; a link that could not be sent is none."""
    server = mail_server()
    if server is None:
        return
    with sessions() as db:
        found = accounts.forgotten_link(db, login)
        # to the login as it is kept: what was typed may only look like it
        if found is None or not is_mail_address(found.login):
            return
        with speaking(found.language or ENGLISH):
            subject, letter = _letter(found, f'{at}#{found.token}')
        server.send(to=found.login, subject=subject, text=letter)
        db.commit()


def _look(sessions: sessionmaker[Session]) -> None:
    """Look at each school whose pilots have not been looked at for some time."""
    with sessions() as db:
        scope.see_every_school(db)
        for school_id in populations.schools_due(db, now=datetime.now(UTC)):
            populations.take_snapshot(db, school_id)


def _rework_some(sessions: sessionmaker[Session]) -> int:
    with sessions() as db:
        scope.see_every_school(db)
        return reworking.rework_laps(db)


async def _hand_in(app: App, files: Sequence[tuple[int, uuid.UUID]]) -> None:
    for school_id, file_id in files:
        task = app.configure_task(ANALYSE, queueing_lock=lock_of(school_id, file_id))
        with suppress(AlreadyEnqueued):
            await task.defer_async(school_id=school_id, file_id=str(file_id))


async def _take_up(app: App, sessions: sessionmaker[Session], *, just_now: bool = False) -> None:
    """Hand in anew what another worker was at when it ended, and what waits without anybody having handed it in."""
    for job in await app.job_manager.get_stalled_jobs(seconds_since_heartbeat=_CUT_OFF_S):
        await app.job_manager.finish_job_by_id_async(job_id=known_or(job.id, 0), status=Status.FAILED, delete_job=True)
    handed_in = {
        str(job.task_kwargs.get('file_id'))
        for status in (Status.TODO, Status.DOING)
        for job in await app.job_manager.list_jobs_async(task=ANALYSE, status=status.value)
    }
    with sessions() as db:
        scope.see_every_school(db)
        left = trackfiles.unfinished(db, just_now=just_now)
    await _hand_in(app, [one for one in left if str(one[1]) not in handed_in])


async def _begin(app: App, sessions: sessionmaker[Session]) -> None:
    """What a worker does first."""
    with sessions() as db:
        scope.see_every_school(db)
        trackfiles.sweep(db)
    await _take_up(app, sessions, just_now=True)  # the first worker of a new school, too
    with suppress(AlreadyEnqueued):
        await app.configure_task(REWORK).defer_async()


def work(url: str, *, until_done: bool = False) -> None:
    """Work until a stop signal, or until nothing is left to do.

    :param until_done: for tests: end when the queue is empty
    """
    engine = open_engine(url)
    sessions = session_maker(engine)
    app = _make_app(url, sessions)

    async def run() -> None:
        async with app.open_async():
            await _begin(app, sessions)
            await app.run_worker_async(
                wait=not until_done,
                listen_notify=not until_done,
                install_signal_handlers=not until_done,
                delete_jobs='successful',
                shutdown_graceful_timeout=5,
            )

    try:
        asyncio.run(run())
    finally:
        engine.dispose()
