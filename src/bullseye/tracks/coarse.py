"""Recordings too coarse to tell everything: what is left open, and what would tell it."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from bullseye.tracks.events import Event, iso
from bullseye.tracks.motion import Motion
from bullseye.tracks.passes import Judged
from bullseye.tracks.track import Track

# [own], tuned on simulated flights that bench/tracks.py does not use
_COARSE_S = 3.0
_OPEN_ODDS = 3.0  # log odds within which a pass may have been either
_LOW_FT, _BEFORE_FT = 40.0, 500.0


@dataclass(frozen=True, slots=True)
class Doubt:
    """A pass of which the fixes do not tell whether the wheels touched."""

    runway: str
    time_s: float

    @property
    def words(self) -> str:
        """As a note to the analysis."""
        return (
            f'at {iso(self.time_s)[11:19]} UTC it came low along runway {self.runway}: '
            'the fixes are too far apart to tell whether the wheels touched'
        )


def _step_s(track: Track) -> float:
    return float(np.median(np.diff(track.time_s)))


def coarse_words(track: Track) -> list[str]:
    """What to say of a recording whose fixes are far apart; nothing of the others."""
    step_s = _step_s(track)
    if step_s < _COARSE_S:
        return []
    return [
        f'the fixes are {step_s:.0f} s apart: where the wheels touched is told to some hundred feet only, and a short '
        'touch may be missed; a recorder that writes a fix each second tells it to some tens of feet'
    ]


def maybe_touched(motion: Motion, judged: Judged, passed: Event) -> bool:
    """Whether a pass that is taken to have stayed in the air may have touched, its fixes being far apart."""
    if _step_s(motion.track) < _COARSE_S or judged.log_odds < -_OPEN_ODDS:
        return False
    low = passed.lowest_ft is None or passed.lowest_ft < _LOW_FT
    return low and (passed.along_ft is None or passed.along_ft > -_BEFORE_FT)
