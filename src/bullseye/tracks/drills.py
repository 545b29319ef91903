"""Drills without a landing: slow flight along the runway, and the hold-off at altitude."""

from __future__ import annotations

import math
from collections.abc import Sequence

import numpy as np

from bullseye.core.basis.constants import FPS_PER_KT
from bullseye.tracks.events import Event, HeldAloft, LowPass
from bullseye.tracks.fields import Runway
from bullseye.tracks.landing import slow_place_error_ft
from bullseye.tracks.motion import Motion
from bullseye.tracks.passes import stretches
from bullseye.tracks.track import Floats

# [own], tuned on simulated flights that bench/tracks.py does not use
_ABOUT_S = 90.0  # of the lowest moment, within which it flies along the runway
_BESIDE_FT, _TOO_HIGH_FT = 300.0, 80.0
_GOING_FPS = 2.5  # up or down: at its ends that is coming down to the pass, or climbing out of it
_FEWEST, _SHORTEST_S = 4, 4.0
_LEAST_FT = 0.5
_LEVEL_FPS = 3.5
_HELD_S = (3.0, 45.0)
_DESCENDS_S, _DESCENDS_FPS = (9.0, 2.0), 4.0  # before it: coming down to the height that stands for the runway
_SLOWS_FPS2, _SLOWS_FPS = 0.8, 8.0  # at idle: as much a second, and in all
_STRAIGHT_RAD = math.radians(20)
_ENDS_S = 0.6  # until it is level, and until it sinks
_NEAR_EVENT_S = 60.0
_HELD_HALF_S, _HELD_HALF_STEPS = 1.0, 1.0  # 95 % half-width, and more of it for each second between fixes


def low_pass_of(motion: Motion, runway: Runway, event: Event, *, wander_ft: float) -> LowPass | None:
    """How an aeroplane flew along the runway: how far from the centreline, and how evenly high.

    :param wander_ft: of the recorded height, in the square root of a second
    :return: None where too little of it was recorded
    """
    time = motion.time_s
    along, lateral = motion.along(runway)
    above = motion.height_ft - runway.surface_ft(along)
    lowest_ft = above[int(np.argmin(np.abs(time - event.time_s)))]
    low = np.isfinite(above) & (above < lowest_ft + _TOO_HIGH_FT) & (np.abs(lateral) < _BESIDE_FT)
    low &= (along >= 0) & (along <= runway.end.landing_distance_available_ft)
    low &= np.abs(time - event.time_s) < _ABOUT_S
    passes = stretches(low, time, bridge_s=0.0)
    if not passes:
        return None
    first, last = max(passes, key=lambda one: time[one[1]] - time[one[0]])
    while first < last and motion.climb_fps[first] < -_GOING_FPS:
        first += 1
    while last > first and motion.climb_fps[last] > _GOING_FPS:
        last -= 1
    rows = slice(first, last + 1)
    if last - first + 1 < _FEWEST or time[last] - time[first] < _SHORTEST_S:
        return None
    furthest = first + int(np.argmax(np.abs(lateral[rows])))
    spread_ft = float(motion.level.spread([furthest])[0, 0])
    heights_ft = motion.height_noise_ft if motion.height_noise_ft else 1.0
    return LowPass(
        from_s=float(time[first]),
        to_s=float(time[last]),
        lateral_ft=float(lateral[furthest]),
        lateral_uncertainty_ft=1.96 * math.hypot(spread_ft, slow_place_error_ft(motion)),
        height_range_ft=float(np.ptp(above[rows])),
        height_range_uncertainty_ft=1.96
        * math.hypot(heights_ft, _LEAST_FT, wander_ft * math.sqrt(time[last] - time[first])),
    )


def held_aloft(motion: Motion, events: Sequence[Event]) -> tuple[HeldAloft, ...]:
    """Every hold-off without a runway: down, level at idle until it will not be held any longer, and on.

    Levelling off into a pattern looks alike; which of them a drill was is for those to say who flew it.

    :param events: what happened on runways, of which no hold-off is one at altitude
    """
    time, climb = motion.time_s, motion.climb_fps
    if time.size < _FEWEST or not np.isfinite(motion.height_ft).any():
        return ()
    speed = _airspeed(motion)
    course = np.unwrap(motion.course_rad)
    step_s = float(np.median(np.diff(time)))
    found = []
    for first, last in stretches(np.abs(np.nan_to_num(climb, nan=np.inf)) < _LEVEL_FPS, time, bridge_s=0.0):
        held_s = float(time[last] - time[first]) + _ENDS_S
        on_runway = any(time[first] - _NEAR_EVENT_S < one.time_s < time[last] + _NEAR_EVENT_S for one in events)
        begun, ended = np.searchsorted(time, time[first] - np.array(_DESCENDS_S))
        before = climb[begun:ended][np.isfinite(climb[begun:ended])]
        if on_runway or not _HELD_S[0] <= held_s <= _HELD_S[1] or last - first < 3 or not before.size:
            continue
        slope = float(np.polyfit(time[first : last + 1], speed[first : last + 1], 1)[0])
        if (
            float(before.mean()) < -_DESCENDS_FPS
            and slope < -_SLOWS_FPS2
            and speed[first] - speed[last] > _SLOWS_FPS
            and abs(course[last] - course[first]) < _STRAIGHT_RAD
        ):
            found.append(
                HeldAloft(
                    from_s=float(time[first]),
                    to_s=float(time[last]),
                    held_s=held_s,
                    uncertainty_s=_HELD_HALF_S + _HELD_HALF_STEPS * step_s,
                )
            )
    return tuple(found)


def _airspeed(motion: Motion) -> Floats:
    """The recorded airspeed where there is one throughout, else the groundspeed [ft/s]."""
    recorded = motion.track.airspeed_kt
    if recorded is not None and recorded.size == motion.time_s.size and np.isfinite(recorded).all():
        return np.asarray(recorded, float) * FPS_PER_KT
    return motion.speed_fps
