"""What the person in the right seat calls of a lap beside its marks: how grave, the go-around, gate speed, the stop."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from annotated_types import Ge, Le
from pydantic import Field

from bullseye.core.basis.kinds import GoAroundCaller, GoAroundWhen, GoAroundWhy, LapMark
from bullseye.core.basis.limits import AlongFt, RollFt, SpeedKias
from bullseye.core.basis.quantity import Checked, Name, Real

HeightFt = Annotated[Real, Ge(0), Le(3_000)]  # above the runway


@dataclass(frozen=True, slots=True, kw_only=True)
class WentAround(Checked):
    """A go-around as it was seen; None where nobody said.

    ``along_ft`` and ``height_ft`` are where power came; ``touched_ft`` where the wheels had touched before, from the
    landing threshold: it is kept, and is no landing.
    """

    called_by: GoAroundCaller | None = None
    why: GoAroundWhy | None = None
    when: GoAroundWhen | None = None
    along_ft: AlongFt | None = None
    height_ft: HeightFt | None = None
    touched_ft: AlongFt | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Noted(Checked):
    """Calls of one lap.

    ``slight`` are those of its marks that were slight; ``gate_speed_kias`` is the speed at the gate from where on it
    is to be stable; ``gate_height_off_ft`` by how much it was above the path there, negative low; ``stop_ft`` where it
    had stopped, from the landing threshold, and ``exit`` the turn-off it took; ``height_lost_ft`` what a drill at
    altitude cost.
    """

    slight: Annotated[tuple[LapMark, ...], Field(max_length=30)] = ()
    went_around: WentAround | None = None
    gate_speed_kias: SpeedKias | None = None
    gate_height_off_ft: Annotated[Real, Ge(-2_000), Le(2_000)] | None = None
    stop_ft: RollFt | None = None
    exit: Name | None = None
    height_lost_ft: HeightFt | None = None
