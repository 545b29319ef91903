"""Background work done to its end, in a thread of its own: the browser tests have an event loop in theirs."""

import os
from concurrent.futures import ThreadPoolExecutor

from sqlalchemy.engine import make_url

from bullseye.jobs.worker import work


def as_application(url: str) -> str:
    """The same database as the application opens it: by an ordinary role, which sees the rows of one school."""
    if make_url(url).username == make_url(os.environ['BULLSEYE_TEST_APPLICATION_URL']).username:
        return url  # it is, and perhaps on another server
    return (
        make_url(os.environ['BULLSEYE_TEST_APPLICATION_URL'])
        .set(database=make_url(url).database)
        .render_as_string(hide_password=False)
    )


def work_off(database_url: str) -> None:
    """Do all that waits in the queue of a database."""
    with ThreadPoolExecutor(1) as pool:
        pool.submit(work, as_application(database_url), until_done=True).result(timeout=120)
