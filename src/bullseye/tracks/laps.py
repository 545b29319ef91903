"""Laps between the events: pattern, turns, final."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import replace
from typing import Literal

import numpy as np

from bullseye.core.basis.constants import FPS_PER_KT, GRAVITY_FPS2
from bullseye.tracks.contact import Contact
from bullseye.tracks.drills import low_pass_of
from bullseye.tracks.events import Event, Gate, Lap, Turn
from bullseye.tracks.fields import Runway
from bullseye.tracks.gates import Window, gates_of
from bullseye.tracks.motion import Motion
from bullseye.tracks.passes import stretches
from bullseye.tracks.track import Floats

Details = Sequence[tuple[int, Window | None, Contact | None]]

# [own], tuned on simulated flights that bench/tracks.py does not use
_TURNING_RAD_S = math.radians(3.0)
_LEAST_TURN_RAD = math.radians(40)
_DOWNWIND_RAD = math.radians(160)
_STABLE_SPEED_KT, _STABLE_PATH_FT, _STABLE_LATERAL_FT = 6.0, 40.0, 60.0  # from 300 ft down [own]
_LONGEST_LAP_S = 1_800.0
_LEAST_DOWNWIND_FT = 1_500.0


def laps_of(
    motion: Motion,
    runways: Sequence[Runway],
    events: Sequence[Event],
    details: Details,
    *,
    first: int,
    wander_ft: float,
) -> list[Lap]:
    """The laps of one field, each ended by a touchdown, go-around or low approach.

    :param first: what the events' indices begin with
    :param wander_ft: of the recorded height, in the square root of a second
    """
    by_runway = {one.end.ident: one for one in runways}
    found = []
    for index, window, contact in details:
        event = events[index]
        runway = by_runway.get(event.runway or '')
        if runway is None:
            continue
        earlier = [k for k, other in enumerate(events) if other.time_s < event.time_s - 1]
        begun = earlier[-1] if earlier else None
        since = events[begun].time_s if begun is not None else float(motion.time_s[0])
        since = max(since, event.time_s - _LONGEST_LAP_S)
        took_off = begun if begun is not None and events[begun].kind == 'takeoff' else None
        lap = _lap(
            motion,
            runway,
            event,
            window,
            contact,
            since,
            first + index,
            first + took_off if took_off is not None else None,
        )
        if event.kind == 'low_approach':
            lap = replace(lap, low_pass=low_pass_of(motion, runway, event, wander_ft=wander_ft))
        found.append(lap)
    return found


def _lap(
    motion: Motion,
    runway: Runway,
    event: Event,
    window: Window | None,
    contact: Contact | None,
    since_s: float,
    end: int,
    takeoff: int | None,
) -> Lap:
    time = motion.time_s
    span = np.flatnonzero((time > since_s) & (time <= event.time_s))
    along, lateral = motion.along(runway)
    gates = gates_of(motion, window, contact, event) if window is not None and contact is not None else ()
    side, spacing, height_error, downwind_kt, away_deg = None, None, None, None, None
    back = span[motion.off_course(runway)[span] > _DOWNWIND_RAD]
    back = back[np.abs(lateral[back]) > 800]
    if back.size >= 5:
        side = 'right' if float(np.median(lateral[back])) > 0 else 'left'
        spacing = float(np.median(np.abs(lateral[back])))
        downwind_kt = float(np.median(motion.speed_fps[back])) / FPS_PER_KT
        away_deg = _away_deg(along[back], lateral[back])
        ground = contact.ground_ft if contact is not None else None
        known = np.isfinite(motion.height_ft[back]).any()
        if ground is not None and runway.pattern_altitude_ft is not None and known:
            level = float(np.nanmedian(motion.height_ft[back]))
            height_error = level - ground - runway.pattern_altitude_ft
    elif span.size and along[span[0]] < -6_000:
        side = 'straight_in'
    overshoot = None
    final = span[(along[span] < 0) & (along[span] > -9_000) & (motion.off_course(runway)[span] < math.radians(75))]
    if side in ('left', 'right') and final.size:
        # coming from the left, what lies to the right of the centreline is overshot
        across = lateral[final] if side == 'left' else -lateral[final]
        overshoot = max(0.0, float(across.max()))
    turns = _turns(motion, span)
    first_turn = _first_turn_height(motion, runway, turns, contact)
    climb = _climb_kt(motion, since_s, turns) if takeoff is not None else None
    errors = [abs(gate.above_path_ft) for gate in gates if gate.height_ft <= 301]
    return Lap(
        number=0,
        from_s=since_s,
        to_s=event.time_s,
        field=runway.field,
        runway=runway.end.ident,
        end=end,
        takeoff=takeoff,
        side=_side(side),
        pattern_height_error_ft=height_error,
        spacing_ft=spacing,
        overshoot_ft=overshoot,
        first_turn_height_ft=first_turn if takeoff is not None else None,
        climb_groundspeed_kt=climb,
        turns=tuple(turns),
        gates=gates,
        stabilised=_stabilised(gates),
        path_error_ft=max(errors) if errors else None,
        downwind_groundspeed_kt=downwind_kt,
        downwind_off_deg=away_deg,
    )


def _climb_kt(motion: Motion, since_s: float, turns: Sequence[Turn]) -> float | None:
    """Groundspeed from shortly after the lift-off to the first turn; None of a lap without one."""
    if not turns:
        return None
    upwind = (motion.time_s > since_s + 8) & (motion.time_s < turns[0].from_s)
    return float(np.median(motion.speed_fps[upwind])) / FPS_PER_KT if upwind.sum() >= 3 else None


def _away_deg(along_ft: Floats, lateral_ft: Floats) -> float | None:
    """By how much a downwind ran away from the runway, by a straight line through its middle; None of a short one."""
    skip = along_ft.size // 5  # the turns onto it and off it
    x, y = along_ft[skip : along_ft.size - skip], np.abs(lateral_ft[skip : along_ft.size - skip])
    if x.size < 5 or float(np.ptp(x)) < _LEAST_DOWNWIND_FT:
        return None
    slope = float(np.polyfit(-x, y, 1)[0])  # along falls as it is flown
    return math.degrees(math.atan(slope))


def _side(text: str | None) -> Literal['left', 'right', 'straight_in'] | None:
    if text == 'left':
        return 'left'
    if text == 'right':
        return 'right'
    return 'straight_in' if text == 'straight_in' else None


def _stabilised(gates: Sequence[Gate]) -> bool | None:
    """On path, on speed and on the centreline from 300 ft down, judged by the gates that were passed."""
    low = [gate for gate in gates if gate.height_ft <= 301]
    if len(low) < 2:
        return None
    speeds = [gate.groundspeed_kt for gate in low]
    return bool(
        max(speeds) - min(speeds) <= _STABLE_SPEED_KT
        and all(abs(gate.above_path_ft) <= _STABLE_PATH_FT for gate in low)
        and all(abs(gate.lateral_ft) <= _STABLE_LATERAL_FT for gate in low)
    )


def _turns(motion: Motion, span: np.ndarray) -> list[Turn]:
    """Turns of more than 40°, with the steepest bank held for some seconds."""
    if span.size < 5:
        return []
    time, speed = motion.time_s[span], motion.speed_fps[span]
    course = np.unwrap(motion.course_rad[span])
    rate = np.gradient(course, time)
    bank = np.degrees(np.arctan(speed * np.abs(rate) / GRAVITY_FPS2))
    turning = (np.abs(rate) > _TURNING_RAD_S) & (speed > 35 * FPS_PER_KT)
    found = []
    for a, b in stretches(turning, time, bridge_s=2.0):
        if abs(course[b] - course[a]) < _LEAST_TURN_RAD:
            continue
        found.append(
            Turn(
                name='left' if course[b] < course[a] else 'right',
                from_s=float(time[a]),
                to_s=float(time[b]),
                most_bank_deg=_held(bank[a : b + 1], time[a : b + 1]),
            )
        )
    return found


def _held(bank_deg: Floats, time_s: Floats) -> float:
    """The greatest bank, a second or two of peaks left out."""
    step = float(np.median(np.diff(time_s))) if time_s.size > 1 else 1.0
    window = max(1, round(2.0 / max(step, 1e-3)))
    if bank_deg.size <= window:
        return float(np.max(bank_deg))
    means = np.convolve(bank_deg, np.ones(window) / window, mode='valid')
    return float(means.max())


def _first_turn_height(motion: Motion, runway: Runway, turns: Sequence[Turn], contact: Contact | None) -> float | None:
    """Height over the runway at which the first turn of the lap began."""
    if not turns or contact is None or contact.ground_ft is None:
        return None
    height = float(np.interp(turns[0].from_s, motion.time_s, motion.height_ft))
    return height - contact.ground_ft - runway.end.elevation_ft
