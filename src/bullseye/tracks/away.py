"""Landings on no known runway: what rolls to a stop on the ground, and the runway that it must have used."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import replace

import numpy as np

from bullseye.core.air.geo import RunwayFrame
from bullseye.core.basis.constants import FPS_PER_KT
from bullseye.core.basis.unknown import known_or
from bullseye.core.given.airfield import RunwayEnd
from bullseye.tracks.events import Event
from bullseye.tracks.fields import Runway
from bullseye.tracks.motion import Motion
from bullseye.tracks.passes import stretches
from bullseye.tracks.speeds import FLYING_FPS, TAXI_FPS

# [own], tuned on simulated flights that bench/tracks.py does not use
_DOWN_S, _LEVEL_FT, _MOSTLY_SLOW = 40.0, 25.0, 0.9
_BEFORE_FT, _LONG_FT, _WIDE_FT = 2_500.0, 6_000.0, 100.0  # of a runway of which only one rollout is known


def _stays_down(motion: Motion, stop: int) -> bool:
    """Whether it stays slow and level from a moment on, as on the ground; a slow circle in a wind does neither."""
    time, speed = motion.time_s, motion.speed_fps
    until_s = time[stop] + _DOWN_S
    span = slice(stop, int(np.searchsorted(time, until_s)) + 1)
    if time[min(span.stop, time.size) - 1] < until_s - _DOWN_S / 2 and time[-1] - time[stop] < _DOWN_S / 2:
        return False  # the track ends before it can be told
    slow = speed[span] < TAXI_FPS
    height = motion.height_ft[span]
    known = height[np.isfinite(height)]
    is_level = known.size < 4 or float(np.ptp(np.quantile(known, (0.1, 0.9)))) < _LEVEL_FT
    return bool(slow.mean() > _MOSTLY_SLOW) and is_level


def stops_away(motion: Motion, events: Sequence[Event]) -> list[Event]:
    """Landings to a stop on no known runway."""
    time, speed = motion.time_s, motion.speed_fps
    found = []
    for first, last in stretches(speed > FLYING_FPS, time, bridge_s=25.0):
        if time[last] - time[first] < 40 or last + 2 >= time.size:
            continue
        slow = np.flatnonzero((speed[last:] < TAXI_FPS) & (time[last:] < time[last] + 60))
        if not slow.size:
            continue
        stop = last + int(slow[0])
        if not _stays_down(motion, stop):
            continue
        if any(-120 < event.time_s - time[stop] < 30 and event.kind == 'touchdown' for event in events):
            continue
        cruise = float(np.median(speed[max(first, last - 15) : last + 1]))
        touch = last + int(np.argmin(np.abs(speed[last : stop + 1] - 0.9 * cruise)))
        lat, lon = float(motion.track.lat_deg[touch]), float(motion.track.lon_deg[touch])
        found.append(
            Event(
                kind='touchdown',
                time_s=float(time[touch]),
                field=None,
                runway=None,
                latitude_deg=lat,
                longitude_deg=lon,
                course_deg_true=math.degrees(float(motion.course_rad[touch])) % 360,
                groundspeed_kt=float(speed[touch]) / FPS_PER_KT,
                then='full_stop',
            )
        )
    return found


def axis_through(motion: Motion, stop: Event) -> list[Runway]:
    """Both directions of a runway through a landing to a stop: long enough, at a height that is not known."""
    courses = (known_or(stop.course_deg_true, 0.0), (known_or(stop.course_deg_true, 0.0) + 180) % 360)
    here = RunwayFrame(
        threshold_lat_deg=stop.latitude_deg, threshold_lon_deg=stop.longitude_deg, course_deg_true=courses[0]
    )
    ends = (here.place(along_ft=-_BEFORE_FT), here.place(along_ft=_LONG_FT - _BEFORE_FT))
    return [
        Runway(
            field='',
            field_name=None,
            end=RunwayEnd(ident=name, course_deg_true=course, length_ft=_LONG_FT, width_ft=_WIDE_FT, elevation_ft=0.0),
            frame=RunwayFrame(threshold_lat_deg=lat, threshold_lon_deg=lon, course_deg_true=course),
            pattern_altitude_ft=None,
        )
        for name, course, (lat, lon) in zip(('A', 'B'), courses, ends, strict=True)
    ]


def off_runways(event: Event) -> Event:
    """An event without what is measured from a threshold, where there is none."""
    return replace(
        event,
        field=None,
        runway=None,
        along_ft=None,
        from_spot_ft=None,
        lateral_ft=None,
        lateral_uncertainty_ft=None,
        liftoff_roll_ft=None,
        final=type(event.final)(),
        hold_off=replace(event.hold_off, roundout_start_ft=None),
    )
