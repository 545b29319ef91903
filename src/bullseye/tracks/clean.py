"""Cleaning: order, repeats, jumps, absurd values and gaps, each counted and said."""

from __future__ import annotations

from dataclasses import replace
from itertools import pairwise

import numpy as np
from numpy.typing import NDArray

from bullseye.core.basis.constants import FPS_PER_KT
from bullseye.core.basis.quantity import EARLIEST, LATEST
from bullseye.tracks.grounded import without_ground_zeros
from bullseye.tracks.track import FEWEST_FIXES, LONGEST_S, Floats, Track, UnreadableTrack

# [own], tuned on simulated flights that bench/tracks.py does not use
GAP_S = 5.0  # fixes further apart than this, and than five usual steps, have a gap between them
_FASTEST_KT = 400.0
_EARTH_FT_PER_DEG = 364_800.0
_HEIGHTS_FT = (-2_000.0, 60_000.0)
_LONGEST_JUMP = 12  # fixes
_ROUNDED_REPEATS = 2.5  # fixes a second that all carry the same second


def clean(track: Track) -> Track:
    """The fixes in order of time, one a moment, without what cannot have been flown.

    :raises UnreadableTrack: when nothing usable is left, or it lasts longer than 24 h
    """
    lat, lon = track.lat_deg, track.lon_deg
    with np.errstate(invalid='ignore'):
        good = np.isfinite(track.time_s) & (np.abs(lat) <= 85) & (np.abs(lon) <= 180) & ~((lat == 0) & (lon == 0))
        if track.dated:
            good &= (track.time_s >= EARLIEST.timestamp()) & (track.time_s < LATEST.timestamp())
    warnings = []
    if not good.all():
        warnings.append(f'{_count(~good, "fix", "fixes")} without a usable time or place left out')
    if good.sum() < FEWEST_FIXES:
        raise UnreadableTrack('the file holds fewer than five fixes with a usable time and place')
    if np.any(np.diff(track.time_s[good]) < 0):
        warnings.append('fixes were out of order and have been sorted by time')
    order = np.flatnonzero(good)
    order = order[np.argsort(track.time_s[order], kind='stable')]
    cut = _spread_rounded(track.only(order, warnings=tuple(warnings)))
    first = np.concatenate([[True], np.diff(cut.time_s) > 1e-6])
    if not first.all():
        cut = cut.only(first, warnings=(f'{_count(~first, "repeated fix", "repeated fixes")} left out',))
    jumps = _jumps(cut)
    if jumps.any():
        cut = cut.only(~jumps, warnings=(f'{_count(jumps, "fix", "fixes")} that jumped away and back left out',))
    if cut.count < FEWEST_FIXES:
        raise UnreadableTrack('the file holds fewer than five usable fixes')
    if cut.time_s[-1] - cut.time_s[0] > LONGEST_S:
        raise UnreadableTrack('the file lasts longer than 24 hours; cut it into days')
    return _believable(without_ground_zeros(cut))


def gaps(time_s: Floats) -> NDArray[np.bool_]:
    """Whether there is a gap after each fix but the last, shape (n - 1,)."""
    steps = np.diff(time_s)
    found: NDArray[np.bool_] = steps > max(GAP_S, 5 * float(np.median(steps)))
    return found


def _count(which: NDArray[np.bool_], one: str, many: str) -> str:
    number = int(which.sum())
    return f'{number} {one if number == 1 else many}'


def _spread_rounded(track: Track) -> Track:
    """Fixes of a fast recorder that writes whole seconds, spread evenly over their second."""
    seconds, start, counts = np.unique(track.time_s, return_index=True, return_counts=True)
    if seconds.size < 3 or track.count / seconds.size < _ROUNDED_REPEATS or np.median(counts) < _ROUNDED_REPEATS:
        return track
    moved = np.ptp(track.lat_deg) + np.ptp(track.lon_deg) > 0
    if not moved:
        return track
    usual = float(np.median(counts))
    within = np.arange(track.count) - np.repeat(start, counts)
    spread = track.time_s + within / np.maximum(np.repeat(counts, counts), usual)
    words = f'{round(usual)} fixes carry the same second: they were spread evenly over it'
    return replace(track, time_s=spread, warnings=(*track.warnings, words))


def _jumps(track: Track) -> NDArray[np.bool_]:
    """A few fixes together that lie too far from those before and after, while these lie near each other."""
    north = track.lat_deg * _EARTH_FT_PER_DEG
    scale = _EARTH_FT_PER_DEG * np.cos(np.radians(track.lat_deg))

    def too_fast(a: NDArray[np.intp], b: NDArray[np.intp]) -> NDArray[np.bool_]:
        east = ((track.lon_deg[b] - track.lon_deg[a] + 180) % 360 - 180) * scale[a]
        away = np.hypot(north[b] - north[a], east)
        far: NDArray[np.bool_] = away > _FASTEST_KT * FPS_PER_KT * np.abs(track.time_s[b] - track.time_s[a]) + 60
        return far

    found = np.zeros(track.count, dtype=bool)
    rows = np.arange(track.count)
    breaks = np.flatnonzero(too_fast(rows[:-1], rows[1:])) + 1
    if not breaks.size:
        return found
    pieces = np.split(rows, breaks)
    before = max(pieces[:2], key=len)[-1:]  # where the flight is for certain
    for piece, following in pairwise(pieces[1:]):
        if piece[0] <= before[0]:
            continue
        if piece.size <= _LONGEST_JUMP and not too_fast(before, following[:1])[0]:
            found[piece] = True
        else:
            before = piece[-1:]
    for piece in (pieces[0], pieces[-1]):  # a stray fix at either end
        if piece.size <= 2 and track.count - piece.size >= FEWEST_FIXES:
            found[piece] = True
    return found


def _believable(track: Track) -> Track:
    """Absurd figures beside a usable place become unknown."""
    with np.errstate(invalid='ignore'):
        height = np.where(
            (track.height_ft > _HEIGHTS_FT[0]) & (track.height_ft < _HEIGHTS_FT[1]), track.height_ft, np.nan
        )
        speed = np.where((track.speed_kt >= 0) & (track.speed_kt < _FASTEST_KT), track.speed_kt, np.nan)
        course = np.where((track.course_deg_true >= 0) & (track.course_deg_true <= 360), track.course_deg_true, np.nan)
        airspeed = np.where((track.airspeed_kt >= 0) & (track.airspeed_kt < _FASTEST_KT), track.airspeed_kt, np.nan)
    dropped = int(np.isfinite(track.height_ft).sum() - np.isfinite(height).sum())
    warnings = (f'{dropped} absurd heights taken as unknown',) if dropped else ()
    return replace(
        track,
        height_ft=height,
        speed_kt=speed,
        course_deg_true=course,
        airspeed_kt=airspeed,
        warnings=(*track.warnings, *warnings),
    )
