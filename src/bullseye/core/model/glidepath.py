"""The straight approach path, and the cue that tells when to start the roundout."""

from __future__ import annotations

import math
from dataclasses import dataclass

from bullseye.core.basis.constants import FT_PER_NM
from bullseye.core.basis.sentence import Phrasebook, Sentence, count, feet
from bullseye.core.given.airfield import RunwayEnd, stripe_before_aim

_BOOK = Phrasebook('cue')


def distance_ft(*, height_ft: float, path_angle_deg: float) -> float:
    """Ground distance in which a path loses a height [ft]: height / tan γ, exact trigonometry."""
    return height_ft / math.tan(math.radians(path_angle_deg))


def height_ft(*, distance_ft: float, path_angle_deg: float) -> float:
    """Height of a path at a ground distance from its foot [ft]: distance · tan γ."""
    return distance_ft * math.tan(math.radians(path_angle_deg))


def descent_rate_fpm(*, groundspeed_kt: float, path_angle_deg: float) -> float:
    """Descent rate that holds a path [ft/min]; about five times the groundspeed on 3°."""
    return groundspeed_kt * FT_PER_NM / 60 * math.tan(math.radians(path_angle_deg))


@dataclass(frozen=True, slots=True, kw_only=True)
class RoundoutCue:
    """When to start the roundout, as the pilot sees it.

    ``eyes_before_aim_ft`` and ``eyes_height_ft`` place the pilot's eyes on their path to the aim point;
    ``nose_before_aim_ft`` is the nearest runway still seen over the nose.
    """

    eyes_before_aim_ft: float
    eyes_height_ft: float
    nose_before_aim_ft: float
    words: Sentence


def roundout_cue(
    *, runway: RunwayEnd, eyes_before_aim_ft: float, eyes_height_ft: float, blind_distance_ft: float
) -> RoundoutCue:
    """Put the start of the roundout into words for this runway.

    The eyes hold the aim point still, so their path meets the runway there; the wheels follow below. Source: exact
    trigonometry; stripes [pub: FAA AC 150/5340-1].
    """
    nose_ft = max(0.0, eyes_before_aim_ft - blind_distance_ft)
    to_go, eyes = feet(eyes_before_aim_ft, step=10.0), feet(eyes_height_ft)
    if runway.has_paint:
        words = _BOOK.say('stripes', place=stripe_before_aim(nose_ft), to_go=to_go, eyes=eyes)
    else:
        widths = count(nose_ft / runway.width_ft, step=0.1)
        words = _BOOK.say('widths', widths=widths, to_go=to_go, eyes=eyes)
    return RoundoutCue(
        eyes_before_aim_ft=eyes_before_aim_ft, eyes_height_ft=eyes_height_ft, nose_before_aim_ft=nose_ft, words=words
    )
