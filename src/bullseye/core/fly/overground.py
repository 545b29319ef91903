"""The pattern over the ground: dead reckoning from leg to leg, and the height at every moment of it."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np

from bullseye.core.air.turns import GroundWind, Turn
from bullseye.core.basis.constants import FPS_PER_KT, FT_PER_NM
from bullseye.core.basis.sentence import Phrasebook
from bullseye.core.basis.unknown import known_or
from bullseye.core.fly.legs import Leg, Legs, NoPattern, PatternTask, TrackedLeg
from bullseye.core.fly.traffic import extension_s

_STEP_S = 2.0  # [own] between points of a drawn turn
_CLIMB_GRADIENT = 500 / FT_PER_NM  # [own] from brakes off, where the aircraft's own climb is unknown
_TIMED_BASE_S = 30.0  # [com] after abeam, in the school that times it
_BOOK = Phrasebook('over_ground')


class Flight:
    """Dead reckoning over the ground from leg to leg."""

    def __init__(self, wind: GroundWind) -> None:
        self.wind = wind
        self.along_ft = 0.0
        self.lateral_ft = 0.0
        self.seconds = 0.0
        self.points: list[tuple[Leg, float, float, float]] = []

    def mark(self, leg: Leg) -> None:
        self.points.append((leg, self.along_ft, self.lateral_ft, self.seconds))

    def straight(self, leg: TrackedLeg, length_ft: float) -> float:
        self.mark(leg.leg)
        track = math.radians(leg.track_deg)
        self.along_ft += length_ft * math.cos(track)
        self.lateral_ft += length_ft * math.sin(track)
        took = length_ft / (leg.groundspeed_kt * FPS_PER_KT)
        self.seconds += took
        self.mark(leg.leg)
        return took

    def turn(self, onto: Leg, turn: Turn) -> None:
        start = (self.along_ft, self.lateral_ft, self.seconds)
        steps = max(2, math.ceil(turn.seconds / _STEP_S))
        for i in range(1, steps + 1):
            t = turn.seconds * i / steps
            along, right = turn.place_after(t, self.wind)
            self.along_ft, self.lateral_ft, self.seconds = start[0] + along, start[1] + right, start[2] + t
            self.mark(onto)


@dataclass(frozen=True, slots=True, kw_only=True)
class Flown:
    """The pattern as flown over the ground: leg durations, and when what happens [s]."""

    flight: Flight
    seconds: dict[Leg, float]
    on_downwind_s: float
    abeam_s: float
    base_turn_s: float
    base_s: float
    final_turn_s: float
    final_s: float
    final_ft: float
    extend_s: float

    def at(self, seconds: float) -> tuple[float, float]:
        """Place at a marked time."""
        _, along, lateral, _ = min(self.flight.points, key=lambda point: abs(point[3] - seconds))
        return along, lateral


def fly(legs: Legs) -> Flown:
    """Fly leg after leg by dead reckoning."""
    task, runway, flight = legs.task, legs.task.runway, Flight(legs.wind)
    flight.along_ft = -runway.displaced_threshold_ft
    climb_ft = max(0.0, task.first_turn_ft - runway.elevation_ft)
    up_ft = climb_ft / _CLIMB_GRADIENT if task.climb is None else task.climb.reaches_ft(climb_ft)
    first_turn_at_ft = max(runway.landing_distance_available_ft, flight.along_ft + up_ft)
    seconds: dict[Leg, float] = {}
    seconds['upwind'] = flight.straight(legs.upwind, first_turn_at_ft - flight.along_ft)
    flight.turn('crosswind', legs.turns['crosswind'])
    seconds['crosswind'] = flight.straight(legs.crosswind, max(0.0, legs.crosswind_ft))
    flight.turn('downwind', legs.turns['downwind'])
    on_downwind_s = flight.seconds
    downwind_fps = legs.downwind.groundspeed_kt * FPS_PER_KT
    abeam_s = on_downwind_s + max(0.0, flight.along_ft - task.spot_ft) / downwind_fps
    # base is begun with the spot 45° behind, or after a time, or farther out for number two
    behind_ft = abs(flight.lateral_ft) if task.base_cue == 'spot_45_behind' else _TIMED_BASE_S * downwind_fps
    extend_s = _extension_s(legs, behind_ft / downwind_fps)
    base_at_ft = task.spot_ft - behind_ft - extend_s * downwind_fps
    seconds['downwind'] = flight.straight(legs.downwind, max(0.0, flight.along_ft - base_at_ft))
    base_turn_s = flight.seconds
    flight.turn('base', legs.turns['base'])
    base_s = flight.seconds
    across_ft = task.right * (flight.lateral_ft + legs.moved['final'][1])
    to_go_ft = across_ft / math.sin(math.radians(runway.base_angle_deg))
    seconds['base'] = flight.straight(legs.base, max(0.0, to_go_ft))
    final_turn_s = flight.seconds
    flight.turn('final', legs.turns['final'])
    final_s, final_ft = flight.seconds, task.aim_point_ft - flight.along_ft
    if final_ft <= 0:
        raise NoPattern(_BOOK.say('beyond_aim'))
    seconds['final'] = flight.straight(legs.final, final_ft)
    return Flown(
        flight=flight,
        seconds=seconds,
        on_downwind_s=on_downwind_s,
        abeam_s=abeam_s,
        base_turn_s=base_turn_s,
        base_s=base_s,
        final_turn_s=final_turn_s,
        final_s=final_s,
        final_ft=final_ft,
        extend_s=extend_s,
    )


def _extension_s(legs: Legs, base_turn_after_abeam_s: float) -> float:
    """Seconds downwind is flown on: as chosen, or until the one on final has passed abeam."""
    choice = legs.task.choice
    own_s = choice.base_extension_s + legs.task.runway.downwind_extension_s
    if choice.ahead_final_nm is None:
        return own_s
    return own_s + extension_s(
        ahead_final_nm=choice.ahead_final_nm,
        ahead_kt=known_or(choice.ahead_kt, legs.final.groundspeed_kt),
        downwind_kt=legs.downwind.groundspeed_kt,
        spot_ft=legs.task.spot_ft,
        base_turn_after_abeam_s=base_turn_after_abeam_s + legs.task.runway.downwind_extension_s,
    )


class Heights:
    """Height above the runway at any time: climb to pattern height, level, even descent to the path on final."""

    def __init__(self, task: PatternTask, flown: Flown) -> None:
        self.tpa_ft = task.tpa_ft
        self.final_turn_s = flown.final_turn_s
        self.on_final_ft = min(task.tpa_ft, flown.final_ft * math.tan(math.radians(task.path_angle_deg)))
        first_turn_ft = min(self.tpa_ft, max(0.0, task.first_turn_ft - task.runway.elevation_ft))
        down_s = min(flown.abeam_s + flown.extend_s, flown.final_s - 1.0)
        self.descent_s = flown.final_s - down_s
        end_s = flown.final_s + flown.seconds['final']
        climbed_s = max(flown.seconds['upwind'] + 1.0, flown.on_downwind_s)
        knots = [
            (0.0, 0.0),
            (flown.seconds['upwind'], first_turn_ft),
            (climbed_s, self.tpa_ft),
            (max(down_s, climbed_s), self.tpa_ft),
            (flown.final_s, self.on_final_ft),
            (end_s, 0.0),
        ]
        self._seconds, self._heights = [t for t, _ in knots], [h for _, h in knots]

    def at(self, seconds: float) -> float:
        """Height [ft]."""
        return float(np.interp(seconds, self._seconds, self._heights))

    @property
    def final_turn_ft(self) -> float:
        """Height where the turn onto final begins."""
        return self.at(self.final_turn_s)

    @property
    def descent_fpm(self) -> float:
        """Descent rate from abeam the spot to final."""
        return (self.tpa_ft - self.on_final_ft) / self.descent_s * 60
