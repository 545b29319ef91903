"""What a recorded flight tells of the rest of a lap: takeoff, pattern, final and rollout."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True, kw_only=True)
class GateFlown:
    """The aeroplane at one height on final."""

    height_ft: float
    lateral_ft: float
    groundspeed_kt: float
    above_path_ft: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Around:
    """The rest of a lap as measured; None where it was not.

    Heights in feet above the runway, speeds over the ground. ``liftoff_ft`` is the roll to the lift-off;
    ``downwind_off_deg`` by how much the downwind ran away from the runway (positive) or towards it.
    """

    liftoff_ft: float | None = None
    liftoff_half_ft: float | None = None  # holding 95 %
    takeoff_lateral_ft: float | None = None
    climb_groundspeed_kt: float | None = None
    first_turn_height_ft: float | None = None
    pattern_height_error_ft: float | None = None
    downwind_groundspeed_kt: float | None = None
    downwind_off_deg: float | None = None
    spacing_ft: float | None = None
    most_bank_deg: float | None = None
    overshoot_ft: float | None = None
    gates: tuple[GateFlown, ...] = ()
    rollout_ft: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class WorkedOut:
    """What the rest of a lap was worked out to be; None where it could not be. Speeds over the ground."""

    liftoff_ft: float | None = None
    climb_groundspeed_kt: float | None = None
    first_turn_height_ft: float | None = None
    downwind_groundspeed_kt: float | None = None
    spacing_ft: float | None = None
    bank_deg: float | None = None
    final_groundspeed_kt: float | None = None
    rollout_ft: float | None = None
    density_root: float = 1.0  # √σ: a knot over the ground is so much indicated
    gate_ft: float = 300.0  # from where on it is to be stable
