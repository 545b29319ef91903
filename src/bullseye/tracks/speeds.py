"""Speeds and silences that mean the same wherever a track is looked at."""

from __future__ import annotations

from bullseye.core.basis.constants import FPS_PER_KT

FLYING_FPS = 40 * FPS_PER_KT  # over the ground [own]: nothing that is analysed here taxies so fast
TAXI_FPS = 20 * FPS_PER_KT  # [own] slower than this it taxies
STANDING_FPS = 5 * FPS_PER_KT  # [own] slower than this it stands, or turns onto the runway
SILENT_S = 2.5  # [own] without a fix for longer than this, the recorder was silent
