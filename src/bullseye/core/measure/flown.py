"""A lap as the touchdown model sees it, for learning from."""

from __future__ import annotations

from dataclasses import dataclass

from bullseye.core.model.touchdown import Approach


@dataclass(frozen=True, slots=True, kw_only=True)
class FlownLap:
    """One lap as flown, for learning from.

    ``approach`` holds the true speed at the roundout and the wind of that lap; ``speed_is_known`` tells whether that
    speed was read or only planned. ``float_s`` is None when the hold-off was not timed. ``is_idle`` is False where
    power was left on through the touchdown: such a lap tells nothing of the aircraft at idle. ``briefed_ktas`` is the
    true speed that the brief asked for there; the difference is the pilot's habit.

    A go-around that was going to be long or short has no touchdown; ``least_from_aim_ft`` is then a place beyond which
    it would have been, or ``most_from_aim_ft`` one before which, from the aim point [ft].
    """

    approach: Approach
    touchdown_from_aim_ft: float | None
    speed_is_known: bool
    float_s: float | None = None
    is_idle: bool = True
    briefed_ktas: float | None = None
    least_from_aim_ft: float | None = None
    most_from_aim_ft: float | None = None
