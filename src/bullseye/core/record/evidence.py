"""One landing as the record looks at it: what was measured of it, and in what conditions."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime

from bullseye.core.basis.kinds import DriftSide, LandingKind, Outcome
from bullseye.core.given.standards import Tolerance


@dataclass(frozen=True, slots=True, kw_only=True)
class Flown:
    """A lap on record; None where nobody looked.

    ``from_spot_ft`` is where it touched, from the spot; ``speed_off_kt`` the speed over the threshold less the one
    worked out; ``float_over_s`` the hold-off less the model's. The standard does not matter yet: the same landing is
    judged by any.
    """

    landing: LandingKind
    outcome: Outcome
    flown_at: datetime
    sortie_id: int
    aircraft: str
    runway: str
    wind_kt: float | None = None
    crosswind_kt: float | None = None
    from_spot_ft: float | None = None
    aim_before_spot_ft: float | None = None
    speed_off_kt: float | None = None
    float_over_s: float | None = None
    drift: DriftSide | None = None
    lateral_ft: float | None = None
    marks: tuple[str, ...] = ()

    @property
    def is_landing(self) -> bool:
        """Whether the wheels were meant to stay down, and did."""
        return self.outcome in ('full_stop', 'touch_and_go', 'stop_and_go')

    def is_near(self, tolerance: Tolerance) -> bool | None:
        """Whether it touched within the window of a standard; None where nobody saw it."""
        if self.from_spot_ft is None:
            return None
        return tolerance.touchdown_from_ft <= self.from_spot_ft <= tolerance.touchdown_to_ft

    def is_on_speed(self, tolerance: Tolerance) -> bool | None:
        """Whether the speed over the threshold was within a standard; None where nobody read it."""
        if self.speed_off_kt is None:
            return None
        return -tolerance.speed_below_kt <= self.speed_off_kt <= tolerance.speed_above_kt

    def is_straight(self) -> bool | None:
        """Whether it touched without drift; None where nobody looked."""
        return None if self.drift is None else self.drift == 'none'

    def meets(self, tolerance: Tolerance) -> bool | None:
        """Whether everything that was seen of it is within a standard; None where the touchdown was not seen."""
        seen = (self.is_near(tolerance), self.is_on_speed(tolerance), self.is_straight())
        if seen[0] is None:
            return None
        return all(one is not False for one in seen)
