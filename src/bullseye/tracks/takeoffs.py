"""The moment of lifting off, by speed, by height, or by what was heard."""

from __future__ import annotations

import math

import numpy as np

from bullseye.tracks.events import Event
from bullseye.tracks.grounded import wheels_down
from bullseye.tracks.landing import (
    event_on,
    slow_place_error_ft,
)
from bullseye.tracks.liftoff import HeightNoise, find_liftoff
from bullseye.tracks.motion import Motion
from bullseye.tracks.offset import Ties
from bullseye.tracks.passes import Judged
from bullseye.tracks.speeds import STANDING_FPS, TAXI_FPS

# [own], tuned on simulated flights that bench/tracks.py does not use
_LOW_PASS_FT = 100.0
_GIVEN_UP_FT, _UNTIED_FT = 450.0, 900.0
_TURNED_AWAY_S = 45.0
_LIFT_OFF_SHARE = 0.6  # of the speed at 45 ft, below which nothing lifts off
_FAR_APART_S = 2.5
_EVENLY = 0.475 / 1.96  # of a span in which it may have been anywhere: 95 % of it, as if it were normal
_DESCENT_FT, _CLIMB_FT = 100.0, 60.0


def takeoff(motion: Motion, one: Judged, ties: Ties, *, ground_ft: float | None) -> Event | None:
    """The lift-off of a takeoff, or of a touch-and-go after its slowest moment; None when it did not fly."""
    runway, time = one.passed.runway, motion.time_s
    along, _ = motion.along(runway)
    start = one.slowest if one.kind == 'touch_and_go' else one.passed.first
    last = one.passed.last
    if motion.speed_fps[last] < 1.3 * TAXI_FPS and one.kind == 'takeoff':
        return None  # it stopped again
    height = motion.height_ft - runway.surface_ft(along)
    rolling = start
    if one.kind == 'takeoff':
        earlier = np.flatnonzero((motion.speed_fps[:start] < STANDING_FPS) & (time[:start] > time[start] - 40))
        rolling = int(earlier[-1]) if earlier.size else start
    down = wheels_down(motion.track, start if one.kind == 'touch_and_go' else max(0, start - 1), last)
    if down is not None:
        off = min(down[1] + 1, time.size - 1)
        if off <= down[1]:
            return None
        moment, sd = float(time[down[1]] + time[off]) / 2, float(time[off] - time[down[1]]) * _EVENLY
    elif np.isfinite(height[start : last + 1]).any():
        found = _off_by_height(motion, one, ties, start=start, rolling=rolling, ground_ft=ground_ft)
        if found is None:
            return None
        moment, sd = found
        if start and float(time[start] - time[start - 1]) > _FAR_APART_S:  # the roll began before its first fast fix
            rolling = max(0, rolling - 1)
    else:
        fast = np.flatnonzero(motion.speed_fps[start : last + 1] > 0.8 * one.approach_fps)
        if not fast.size:
            return None
        moment, sd = float(time[start + int(fast[0])]), 3.0
    at = float(np.interp(moment, time, along))
    speed = float(np.interp(moment, time, motion.speed_fps))
    return event_on(
        motion,
        runway,
        kind='takeoff',
        time_s=moment,
        uncertainty_ft=1.96 * math.hypot(sd * speed, slow_place_error_ft(motion)),
        liftoff_roll_ft=at - float(along[rolling]),
    )


def _off_by_height(
    motion: Motion, one: Judged, ties: Ties, *, start: int, rolling: int, ground_ft: float | None
) -> tuple[float, float] | None:
    """Moment of the lift-off by the heights, its standard deviation [s]; None when it did not fly, or too few tell."""
    runway, time, last = one.passed.runway, motion.time_s, one.passed.last
    along, _ = motion.along(runway)
    height = motion.height_ft - runway.surface_ft(along)
    rolled = height[max(0, rolling - 2) : start + 3]
    low = rolled[np.isfinite(rolled)] if np.isfinite(rolled).any() else height[np.isfinite(height)][:1]
    level = ground_ft if ground_ft is not None else float(np.median(low))
    high = np.flatnonzero(height[start : last + 1] > level + 45)
    if not high.size:
        if one.kind == 'takeoff':
            return None
        high = np.array([last - start])
    top = start + int(high[0])
    flies = np.flatnonzero(motion.speed_fps[start : top + 1] > _LIFT_OFF_SHARE * motion.speed_fps[top])
    earliest = start + int(flies[0]) if flies.size else start
    last_cut = top
    if float(time[top] - time[top - 1]) > _FAR_APART_S:  # it may have lifted off long before
        earliest, last_cut = max(start, earliest - 1), min(top + 1, last)
        rolling = max(0, rolling - 1)
    cut = (time >= time[rolling] - 2) & (time <= time[last_cut])
    raw_along, _ = motion.raw_along(runway)
    raw = motion.track.height_ft - runway.surface_ft(raw_along)
    cut &= np.isfinite(raw)
    if cut.sum() < 3:
        return None
    return find_liftoff(
        time[cut],
        raw[cut],
        motion.speed_fps[cut],
        noise=HeightNoise(
            white_ft=motion.height_noise_ft if motion.height_noise_ft else 1.0,
            wander_ft=ties.wander_ft,
            step_ft=motion.height_step_ft,
        ),
        earliest_s=min(float(time[earliest]), float(time[top]) - 1.3),
        latest_s=float(time[top]) - 1.0,
    )


def stayed_up(motion: Motion, one: Judged, ties: Ties) -> Event | None:
    """A go-around or a low approach; None for a pass that was neither."""
    runway, time = one.passed.runway, motion.time_s
    along, lateral = motion.along(runway)
    first, last = one.passed.first, one.passed.last
    height = motion.height_ft - runway.surface_ft(along)
    if not np.isfinite(height[first : last + 1]).any():
        return None
    # it may have given up while still turning onto final
    early = np.flatnonzero(
        (time[:first] > time[first] - _TURNED_AWAY_S) & (np.abs(lateral[:first]) < 2_500) & (along[:first] > -9_000)
    )
    start = int(early[0]) if early.size else first
    lowest = start + int(np.nanargmin(height[start : last + 1]))
    offset, _ = ties.at(float(time[lowest]))
    above = height - (offset if math.isfinite(offset) else 0.0)
    before = above[(time > time[lowest] - 75) & (time < time[lowest])]
    after = above[(time > time[lowest]) & (time < time[lowest] + 60)]
    low = float(above[lowest])
    # a barometric height that was never tied may be off by what the weather makes of it
    highest = _GIVEN_UP_FT if math.isfinite(offset) else _GIVEN_UP_FT + _UNTIED_FT
    if not before.size or np.nanmax(before) - low < _DESCENT_FT or low > highest:
        return None
    if not after.size or np.nanmax(after) - low < _CLIMB_FT:
        return None
    span = slice(first, last + 1)
    along_it = (along[span] > -300) & (above[span] < max(low, 0.0) + 25) & (above[span] < _LOW_PASS_FT)
    rows = np.flatnonzero(along_it)
    flown_ft = float(np.ptp(along[span][rows])) if rows.size else 0.0
    is_low = math.isfinite(offset) and flown_ft > 0.45 * runway.end.landing_distance_available_ft and flown_ft > 600
    return event_on(
        motion,
        runway,
        kind='low_approach' if is_low else 'go_around',
        time_s=float(time[lowest]),
        lowest_ft=low if math.isfinite(offset) else None,
    )
