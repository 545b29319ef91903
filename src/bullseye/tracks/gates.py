"""Where the final passed its gates, and along which path."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np

from bullseye.core.basis.constants import FPS_PER_KT
from bullseye.tracks.contact import Contact
from bullseye.tracks.contactmodels import Samples
from bullseye.tracks.events import Event, Gate
from bullseye.tracks.motion import Motion
from bullseye.tracks.passes import Judged
from bullseye.tracks.track import Floats

# [com] heights at which a final is looked at, and [own] how long before the touchdown it is one
_GATES_FT = (500.0, 300.0, 200.0)
_DESCENT_S = 150.0


@dataclass(frozen=True)
class Window:
    """The fixes about one landing on its runway's axes, and between which moments the wheels touched."""

    judged: Judged
    samples: Samples
    low_s: float
    earliest_s: float
    latest_s: float
    surface_noise_ft: float
    told: bool = False  # the recorder itself says between which fixes


def crossing(along: Floats, height: Floats | None, motion: Motion, window: Window, at_ft: float) -> Gate | None:
    """The aeroplane as it passed a place along the runway."""
    one = window.judged.passed
    span = slice(one.first, window.judged.slowest + 1)
    part = along[span]
    after = np.flatnonzero((part[:-1] < at_ft) & (part[1:] >= at_ft))
    if not after.size:
        return None
    k = one.first + int(after[0])
    share = (at_ft - along[k]) / (along[k + 1] - along[k])
    _, lateral = motion.along(one.runway)

    def between(values: Floats) -> float:
        return float(values[k] + share * (values[k + 1] - values[k]))

    return Gate(
        height_ft=between(height) if height is not None else float('nan'),
        along_ft=at_ft,
        lateral_ft=between(lateral),
        groundspeed_kt=between(motion.speed_fps) / FPS_PER_KT,
        above_path_ft=0.0,
    )


def path_flown(
    motion: Motion, window: Window, contact: Contact, along: Floats, height: Floats | None
) -> tuple[float, float] | None:
    """Where the final pointed: angle to the level, and the place where its line meets the runway."""
    if height is None:
        return None
    one = window.judged.passed
    time = motion.time_s
    span = (time < contact.roundout_s) & (time > contact.roundout_s - 45) & (height < 250) & (along > -6_000)
    span[: one.first] = False
    if span.sum() < 3 or np.ptp(along[span]) < 300:
        return None
    # the last part counts most: it is what the pilot held still in the windscreen
    weight = 1 / (1 + (contact.roundout_s - time[span]) / 10)
    slope, level = np.polyfit(along[span], height[span], 1, w=weight)
    if slope >= -0.005:
        return None
    surface = one.runway.end.slope_pct / 100
    return math.degrees(math.atan(-(slope + surface))), float(-level / slope)


def gates_of(motion: Motion, window: Window, contact: Contact, event: Event) -> tuple[Gate, ...]:
    """Final at 500, 300 and 200 ft and at the threshold, against the runway's path to the aim that was flown."""
    if contact.ground_ft is None:
        return ()
    runway = window.judged.passed.runway
    along, _ = motion.along(runway)
    height = motion.height_ft - runway.surface_ft(along) - contact.ground_ft
    tan = math.tan(math.radians(runway.end.path_angle_deg))
    aim = event.final.aim_flown_ft
    found = []
    _, lateral = motion.along(runway)
    span = np.flatnonzero((motion.time_s > contact.time_s - _DESCENT_S) & (motion.time_s < contact.time_s))
    for gate_ft in _GATES_FT:
        # the last time it came down through this height, on final or still before it
        down = span[:-1][(height[span[:-1]] >= gate_ft) & (height[span[1:]] < gate_ft)]
        if not down.size:
            continue
        k = int(down[-1])
        share = float((height[k] - gate_ft) / (height[k] - height[k + 1]))
        place, across, speed = (
            float(values[k] + share * (values[k + 1] - values[k])) for values in (along, lateral, motion.speed_fps)
        )
        gate = Gate(
            height_ft=gate_ft,
            along_ft=place,
            lateral_ft=across,
            groundspeed_kt=speed / FPS_PER_KT,
            above_path_ft=0.0,
        )
        found.append(_with_path(gate, gate_ft, aim, tan))
    threshold = crossing(along, height, motion, window, 0.0)
    if threshold is not None:
        found.append(_with_path(threshold, threshold.height_ft, aim, tan))
    return tuple(found)


def _with_path(gate: Gate, height_ft: float, aim_ft: float | None, tan: float) -> Gate:
    above = height_ft - (aim_ft - gate.along_ft) * tan if aim_ft is not None else 0.0
    return Gate(
        height_ft=height_ft,
        along_ft=gate.along_ft,
        lateral_ft=gate.lateral_ft,
        groundspeed_kt=gate.groundspeed_kt,
        above_path_ft=above,
    )
