"""The simulated aeroplane's figures and the simulated student's habits."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

import numpy as np

LapEnd = Literal['touch_and_go', 'stop_and_go', 'full_stop', 'go_around', 'low_approach']


@dataclass(frozen=True, kw_only=True)
class Aeroplane:
    """What a point mass needs to know to be a light aeroplane; speeds are true airspeeds [kt]."""

    lift_off_kt: float = 56.0
    climb_kt: float = 74.0
    downwind_kt: float = 88.0
    base_kt: float = 72.0
    approach_kt: float = 63.0
    touchdown_kt: float = 49.5
    climb_fpm: float = 700.0
    roll_fps2: float = 6.5  # acceleration of the takeoff roll at its start
    hold_off_fps2: float = 3.2  # deceleration, idle, in ground effect
    rolling_fps2: float = 2.2  # deceleration on the wheels, unbraked
    braking_fps2: float = 6.5
    roundout_load_factor: float = 1.1


@dataclass(frozen=True, kw_only=True)
class Student:
    """Habits. A spread is a standard deviation, drawn anew for each lap."""

    aim_bias_ft: float = 0.0
    aim_spread_ft: float = 60.0
    speed_bias_kt: float = 0.0
    speed_spread_kt: float = 1.5
    touchdown_spread_kt: float = 1.3
    roundout_height_bias_ft: float = 0.0
    roundout_height_spread_ft: float = 1.5
    hold_off_height_ft: float = 2.0
    drift_spread_kt: float = 0.8
    crab_left: float = 0.2  # share of the crab still there at touchdown
    centreline_spread_ft: float = 4.0
    final_bank_deg: float = 25.0
    overshoot_ft: float = 0.0
    drags_it_in: bool = False
    balloons: float = 0.0  # chance for each landing
    bounces: float = 0.0
    sinks_late: bool = False  # held level, and let down only at the end of the hold-off: height z₀(1 − s²)
    spacing_ft: float = 4_500.0
    altitude_spread_ft: float = 30.0
    altitude_bias_ft: float = 0.0


@dataclass(frozen=True, kw_only=True)
class LapPlan:
    """One lap as the scenario asks for it."""

    end: LapEnd
    runway: str
    aim_ft: float = 100.0  # from the landing threshold
    path_angle_deg: float = 3.0
    give_up_height_ft: float = 60.0  # of a go-around: over the ground
    three_sixty: bool = False  # for spacing, on the downwind leg
    straight_in: bool = False  # from four miles out: only as the first lap of a flight that starts in the air
    low_sway_ft: float = 0.0  # of a low approach: up and down by so much, in twelve seconds
    low_beside_ft: float = 0.0  # right of the centreline


def any_aeroplane(rng: np.random.Generator, *, fast: bool = False) -> Aeroplane:
    """An aeroplane from the whole range of light singles; a fast one touches down where those climb away."""
    stall = float(rng.uniform(38, 56)) + (25.0 if fast else 0.0)
    approach = stall * float(rng.uniform(1.24, 1.4))
    return Aeroplane(
        lift_off_kt=stall * 1.15,
        climb_kt=approach * 1.15,
        downwind_kt=approach * float(rng.uniform(1.25, 1.45)),
        base_kt=approach * 1.12,
        approach_kt=approach,
        touchdown_kt=stall * float(rng.uniform(1.02, 1.1)),
        climb_fpm=float(rng.uniform(500, 1_000)),
        roll_fps2=float(rng.uniform(5, 8)),
        hold_off_fps2=float(rng.uniform(2.4, 4.0)),
        rolling_fps2=float(rng.uniform(1.2, 3.0)),
        braking_fps2=float(rng.uniform(5, 8)),
        roundout_load_factor=float(rng.uniform(1.07, 1.15)),
    )


def any_student(rng: np.random.Generator) -> Student:
    """A student from the whole range of those who come to a school."""
    return Student(
        aim_bias_ft=float(rng.normal(0, 80)),
        aim_spread_ft=float(rng.uniform(20, 120)),
        speed_bias_kt=float(rng.uniform(-1, 5)),
        speed_spread_kt=float(rng.uniform(0.5, 3)),
        touchdown_spread_kt=float(rng.uniform(0.5, 2)),
        roundout_height_bias_ft=float(rng.uniform(-1, 4)),
        roundout_height_spread_ft=float(rng.uniform(0.5, 2)),
        hold_off_height_ft=float(rng.uniform(1.2, 3)),
        drift_spread_kt=float(rng.uniform(0.3, 1.5)),
        crab_left=float(rng.uniform(0, 0.6)),
        centreline_spread_ft=float(rng.uniform(2, 7)),
        final_bank_deg=float(rng.uniform(18, 35)),
        overshoot_ft=float(rng.choice([0, 0, 0, 150, 300])),
        drags_it_in=bool(rng.random() < 0.1),
        balloons=float(rng.choice([0, 0, 0.2])),
        bounces=float(rng.choice([0, 0, 0.3])),
        spacing_ft=float(rng.uniform(3_300, 6_000)),
        altitude_spread_ft=float(rng.uniform(10, 60)),
    )
