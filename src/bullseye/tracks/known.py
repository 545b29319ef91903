"""What is known of a flight besides its track."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass


@dataclass(frozen=True, kw_only=True)
class Known:
    """What is known of the flight besides the track; all of it may be missing."""

    spots_ft: Mapping[str, float] | None = None  # by runway ident, from the landing threshold
    touchdown_kcas: float | None = None  # of the aircraft, at a usual weight
    deceleration_fps2: float | None = None
    deceleration_sd_fps2: float = 0.6
