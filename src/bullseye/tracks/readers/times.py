"""Times of track files as seconds since 1970 UTC."""

from __future__ import annotations

import warnings
from collections.abc import Sequence
from datetime import UTC, datetime

import numpy as np

from bullseye.tracks.track import Floats

DAY_S = 86_400.0


def iso_seconds(texts: Sequence[str]) -> Floats:
    """Seconds since 1970 of ISO 8601 times; NaN for what is none. Times without a zone are taken as UTC."""
    try:
        # the common case, in one go: every time ends in Z
        if all(text.endswith('Z') for text in texts):
            with warnings.catch_warnings():
                warnings.simplefilter('error')  # a zone in the middle of a time is only warned of
                times = np.array([text[:-1] for text in texts], dtype='datetime64[us]')
            return _seconds(times)
    except (ValueError, Warning):
        pass
    return np.array([_one(text) for text in texts])


def _seconds(times: np.ndarray) -> Floats:
    seconds = times.astype(np.int64) / 1e6
    seconds[np.isnat(times)] = np.nan
    return np.asarray(seconds, dtype=float)


def _one(text: str) -> float:
    try:
        time = datetime.fromisoformat(text.strip())
        return (time if time.tzinfo else time.replace(tzinfo=UTC)).timestamp()
    except (ValueError, OverflowError):
        return float('nan')


def across_midnight(time_of_day_s: Floats) -> Floats:
    """Times of day made to run on: a fall of more than half a day is taken as midnight."""
    falls = np.diff(time_of_day_s) < -DAY_S / 2
    rises = np.diff(time_of_day_s) > DAY_S / 2  # a late fix from before midnight
    days = np.concatenate([[0.0], np.cumsum(falls.astype(float) - rises.astype(float))])
    return time_of_day_s + days * DAY_S
