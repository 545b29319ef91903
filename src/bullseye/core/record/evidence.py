"""One landing as the record looks at it: what was measured of it, and in what conditions."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime

from bullseye.core.basis.kinds import DriftSide, LandingKind, Outcome, TakeoffKind
from bullseye.core.given.standards import SpeedLimits, Tolerance
from bullseye.core.measure.around import Around, Beyond, WorkedOut
from bullseye.core.measure.noted import WentAround


def within_limits(off_kt: float | None, limits: SpeedLimits) -> bool | None:
    """Whether a speed is within limits about its target; None where it, or the limit on its side, is not known."""
    if off_kt is None:
        return None
    limit_kt = limits.speed_above_kt if off_kt > 0 else limits.speed_below_kt
    return None if limit_kt is None else abs(off_kt) <= limit_kt


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
    spot_ft: float | None = None  # from the threshold
    available_ft: float | None = None  # of the runway, for landing
    aim_before_spot_ft: float | None = None
    speed_off_kt: float | None = None
    briefed_kias: float | None = None
    float_over_s: float | None = None
    drift: DriftSide | None = None
    lateral_ft: float | None = None
    marks: tuple[str, ...] = ()
    drill_met: bool | None = None  # of a drill without a landing: whether it was flown as it should be
    takeoff: TakeoffKind | None = None
    slight: frozenset[str] = frozenset()  # those of its marks that were slight
    went_around: WentAround | None = None
    beyond: Beyond | None = None  # the go-around point
    around: Around | None = None  # the rest of the lap as measured, and as worked out
    worked_out: WorkedOut | None = None

    @property
    def is_landing(self) -> bool:
        """Whether the wheels were meant to stay down, and did."""
        return self.outcome in ('full_stop', 'touch_and_go', 'stop_and_go')

    def is_near(self, tolerance: Tolerance) -> bool | None:
        """Whether it touched within the window of a standard; None where nobody saw it."""
        window_ft = self.window_ft(tolerance)
        if self.from_spot_ft is None or window_ft is None:
            return None
        return window_ft[0] <= self.from_spot_ft <= window_ft[1]

    def window_ft(self, tolerance: Tolerance) -> tuple[float, float] | None:
        """The window of a standard on the runway that it was flown to, from the spot; None where it is not known."""
        if not tolerance.has_window:
            return None
        if tolerance.within_share is None:
            return tolerance.window_ft
        if self.spot_ft is None or self.available_ft is None:
            return None
        return tolerance.on(spot_ft=self.spot_ft, available_ft=self.available_ft).window_ft

    def is_on_speed(self, tolerance: Tolerance) -> bool | None:
        """Whether the speed over the threshold was within a standard; None where nobody read it."""
        return within_limits(self.speed_off_kt, tolerance)

    def is_straight(self) -> bool | None:
        """Whether it touched without drift; None where nobody looked."""
        return None if self.drift is None else self.drift == 'none'

    def meets(self, tolerance: Tolerance) -> bool | None:
        """Whether everything that was seen of it is within a standard; None where the touchdown cannot be judged."""
        seen = (self.is_near(tolerance), self.is_on_speed(tolerance), self.is_straight())
        if seen[0] is None:
            return None
        return all(one is not False for one in seen)
