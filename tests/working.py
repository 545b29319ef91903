"""Background work done to its end, in a thread of its own: the browser tests have an event loop in theirs."""

from concurrent.futures import ThreadPoolExecutor

from bullseye.jobs.worker import work


def work_off(database_url: str) -> None:
    """Do all that waits in the queue of a database."""
    with ThreadPoolExecutor(1) as pool:
        pool.submit(work, database_url, until_done=True).result(timeout=120)
