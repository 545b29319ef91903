"""What is believed of an aircraft and a pilot before a landing; :mod:`bullseye.core.learn` learns it from laps."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from annotated_types import Ge, Gt, Le

from bullseye.core.basis.quantity import Checked, Deceleration, Real


@dataclass(frozen=True, slots=True, kw_only=True)
class Calibration(Checked):
    """What is believed of an aircraft and a pilot; each None until something is known of it."""

    deceleration_fps2: Deceleration | None = None
    bias_ft: Annotated[Real, Ge(-2_000), Le(3_000)] | None = None
    scatter_ft: Annotated[Real, Gt(0), Le(2_000)] | None = None
    deceleration_sd_fps2: Annotated[Real, Ge(0)] | None = None
    bias_sd_ft: Annotated[Real, Ge(0)] | None = None
    laps: Annotated[int, Ge(0)] = 0
    timed_laps: Annotated[int, Ge(0)] = 0
