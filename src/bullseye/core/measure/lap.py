"""What was seen of one lap."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from pydantic import Field

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.kinds import NOT_LANDED, DriftSide, Going, LapMark, Outcome, WindBy
from bullseye.core.basis.limits import AimFt, AlongFt, FloatS, HeadwindKt, LateralFt, SpeedKias
from bullseye.core.basis.quantity import Checked


@dataclass(frozen=True, slots=True, kw_only=True)
class HeightRange:
    """Highest less lowest along the runway [ft]; ``half_ft`` holds 95 %."""

    feet: float
    half_ft: float


@dataclass(frozen=True, slots=True, kw_only=True)
class MeasuredLap(Checked):
    """What was seen of one lap; None where nobody looked.

    ``along_ft`` is where the main wheels first touched, from the landing threshold; ``lateral_ft`` positive right of
    the centreline; ``drift`` the side the aircraft moved to as it touched.
    """

    outcome: Outcome
    along_ft: AlongFt | None = None
    lateral_ft: LateralFt | None = None
    threshold_speed_kias: SpeedKias | None = None
    float_s: FloatS | None = None
    aim_flown_ft: AimFt | None = None  # where the path of the eyes met the runway, as a track measured it
    drift: DriftSide | None = None
    bounced: bool | None = None
    ballooned: bool | None = None
    headwind_kt: HeadwindKt | None = None  # as it was on this lap
    headwind_by: WindBy = 'read'
    sank_through: bool | None = None  # of a hold-off drill: the height that stands for the runway
    touched: bool | None = None  # of a low approach: the wheels
    height_kept: bool | None = None  # of a low approach, as a person saw it
    height_range: HeightRange | None = None  # of a low approach, as a track measured it
    marks: Annotated[tuple[LapMark, ...], Field(max_length=30)] = ()  # what a person saw and noted of it
    going: Going | None = None  # of a go-around: on which side of the box it was going to land

    def check_together(self) -> None:
        if self.outcome in NOT_LANDED and self.along_ft is not None:
            raise InvalidInput(
                'along_ft', self.along_ft, f'nothing on a {self.outcome.replace("_", "-")}; the wheels did not land'
            )
        if self.going is not None and self.outcome != 'go_around':
            raise InvalidInput('going', self.going, 'of a go-around only')
