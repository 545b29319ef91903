"""What a recorded flight tells of the rest of a lap: takeoff, pattern, final and rollout."""

from __future__ import annotations

from dataclasses import dataclass

from bullseye.core.basis.kinds import WindBy


@dataclass(frozen=True, slots=True, kw_only=True)
class GateFlown:
    """The aeroplane at one height on final."""

    height_ft: float
    lateral_ft: float
    groundspeed_kt: float
    above_path_ft: float


@dataclass(frozen=True, slots=True, kw_only=True)
class WindAloft:
    """The wind at pattern height as the turns of a recorded flight tell it; ``half_kt`` holds 95 % of a component."""

    from_deg_true: float
    speed_kt: float
    half_kt: float


@dataclass(frozen=True, slots=True, kw_only=True)
class LowFlight:
    """Slow flight along the runway: highest less lowest, and how low; half-widths hold 95 %."""

    height_range_ft: float
    height_range_half_ft: float
    lowest_ft: float | None = None  # of the wheels


@dataclass(frozen=True, slots=True, kw_only=True)
class Around:
    """The rest of a lap as measured; None where it was not.

    Heights in feet above the runway, speeds over the ground. ``liftoff_ft`` is the roll to the lift-off;
    ``downwind_off_deg`` by how much the downwind ran away from the runway (positive) or towards it.
    ``threshold_groundspeed_kt`` only where no airspeed was recorded.
    ``threshold_height_ft`` is that of the wheels.
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
    threshold_groundspeed_kt: float | None = None
    threshold_height_ft: float | None = None
    wind: WindAloft | None = None
    low: LowFlight | None = None
    gate_speed_kias: float | None = None  # as it was read at the gate
    gate_height_off_ft: float | None = None  # above the path there, as it was called


@dataclass(frozen=True, slots=True, kw_only=True)
class Beyond:
    """How far behind the go-around point the wheels touched [ft], negative before it; ``half_ft`` holds 95 %."""

    feet: float
    half_ft: float


@dataclass(frozen=True, slots=True, kw_only=True)
class WorkedOut:
    """What the rest of a lap was worked out to be; None where it could not be. Speeds over the ground.

    ``wind_by`` tells whose wind the final is worked out in, ``wind_aloft_by`` whose climb and downwind are.
    """

    liftoff_ft: float | None = None
    climb_groundspeed_kt: float | None = None
    first_turn_height_ft: float | None = None
    downwind_groundspeed_kt: float | None = None
    spacing_ft: float | None = None
    bank_deg: float | None = None
    final_groundspeed_kt: float | None = None
    rollout_ft: float | None = None
    approach_kias: float | None = None
    density_root: float = 1.0  # √σ: a knot over the ground is so much indicated
    gate_ft: float = 300.0  # from where on it is to be stable
    wind_by: WindBy = 'briefed'
    wind_aloft_by: WindBy = 'briefed'
