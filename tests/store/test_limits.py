"""Counting tries in PostgreSQL, against the storage that the ``limits`` package has for one process."""

import time
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor

import numpy as np
import pytest
from limits import RateLimitItemPerMinute, RateLimitItemPerSecond
from limits.storage import MemoryStorage
from limits.strategies import FixedWindowRateLimiter

from bullseye.store.limits import PostgresStorage


@pytest.fixture
def storage(empty_url: str) -> Iterator[PostgresStorage]:
    made = PostgresStorage(empty_url)
    yield made
    made.engine.dispose()


def test_any_order_of_tries_is_allowed_and_refused_as_by_the_packages_own_storage(storage):
    ours, theirs = FixedWindowRateLimiter(storage), FixedWindowRateLimiter(MemoryStorage())
    limit = RateLimitItemPerMinute(4)
    rng = np.random.default_rng(14)
    for _ in range(80):
        who = f'address {int(rng.integers(6))}'
        if rng.random() < 0.25:
            assert ours.test(limit, who) == theirs.test(limit, who)
        elif rng.random() < 0.1:
            ours.clear(limit, who)
            theirs.clear(limit, who)
        else:
            assert ours.hit(limit, who) == theirs.hit(limit, who)
        one, other = ours.get_window_stats(limit, who), theirs.get_window_stats(limit, who)
        assert one.remaining == other.remaining


def test_a_window_that_has_run_out_starts_anew_and_is_cleared_away(storage):
    limiter, limit = FixedWindowRateLimiter(storage), RateLimitItemPerSecond(2)
    assert [limiter.hit(limit, 'one') for _ in range(3)] == [True, True, False]
    ends = limiter.get_window_stats(limit, 'one').reset_time
    assert 0 < ends - time.time() <= 1.05
    time.sleep(max(0.0, ends - time.time()) + 0.1)
    assert limiter.test(limit, 'one')
    assert limiter.hit(limit, 'another')  # a new window sweeps those that have run out
    assert storage.get(limit.key_for('one')) == 0
    assert limiter.hit(limit, 'one')


def test_many_at_once_are_all_counted(storage):
    with ThreadPoolExecutor(12) as pool:
        counts = list(pool.map(lambda _: storage.incr('all at once', 60), range(60)))
    assert sorted(counts) == list(range(1, 61))  # no try lost, none counted twice
    assert storage.get('all at once') == 60


def test_what_was_counted_outlives_the_process(storage, empty_url):
    storage.incr('kept', 60, amount=3)
    again = PostgresStorage(empty_url)
    assert again.get('kept') == 3
    assert again.check()
    assert again.reset() == 1
    assert storage.get('kept') == 0
    again.engine.dispose()


def test_a_key_of_any_length_is_one_key(storage):
    key = 'x' * 5_000
    assert [storage.incr(key, 60) for _ in range(3)] == [1, 2, 3]
    assert storage.get(key) == 3
    storage.clear(key)
    assert storage.get(key) == 0
    assert storage.get_expiry(key) == pytest.approx(time.time(), abs=2)
