"""What a version of the model changes for those who fly by it; told to each chief instructor once."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Final

from bullseye.core.basis.constants import MODEL_VERSION


@dataclass(frozen=True, slots=True, kw_only=True)
class AimMove:
    """By how far the worked-out aim point of a landing moves [ft], positive farther in."""

    landing: str
    still_air_ft: float
    headwind_12_kt_ft: float
    gusts_20_kt_ft: float
    uphill_ft: float  # 1.5 %
    downhill_ft: float


@dataclass(frozen=True, slots=True, kw_only=True)
class ModelNews:
    """One version of the model, why it moves the aim points, and how far."""

    version: str
    words: tuple[str, ...]
    conditions: str
    moves: tuple[AimMove, ...]


def _move(landing: str, *feet: float) -> AimMove:
    still, wind, gusts, uphill, downhill = feet
    return AimMove(
        landing=landing,
        still_air_ft=still,
        headwind_12_kt_ft=wind,
        gusts_20_kt_ft=gusts,
        uphill_ft=uphill,
        downhill_ft=downhill,
    )


LATEST: Final = ModelNews(
    version=MODEL_VERSION,
    words=(
        'Fewer spots and runways are called good. A landing must leave the margin that its own touchdown leaves, and '
        'roll and climb must fit behind 19 landings of 20. A go-around climbs less in thin air, and a wheel landing is '
        'flown ten knots faster than before.',
        'Aim points move. The eyes, not the wheels, are held on the aim point now, and the wheels must pass 3 ft or '
        'more over the start of the pavement.',
        'The slope of the runway, the wind near the ground and the glide of the aircraft count too; in gusts the aim '
        'is for the mean of the winds that may be met.',
        'What is believed of a pilot with few laps comes from how your school’s pilots fly, looked at once a week: '
        'their aim points move by that too. How much a landing changes with the speed is learned from them as well.',
        'The latest ten laps of a pilot tell alike, older ones less: a steady hand is known sooner. A speed read to a '
        'whole knot is judged so: half a knot over a limit is within it.',
        'A landing behind the go-around point is a fault of decision now. The limits of students bind a student alone; '
        'with an instructor aboard they are told, and forbid nothing.',
        'Past laps are calculated again. What your pilots have got used to is no longer what the brief says: tell them '
        'before they fly.',
    ),
    conditions='Marram 160 at maximum weight, spot 1,200 ft, sea level, no lap known; feet from model 2; those of '
    'pilots move by what is known of them.',
    moves=(
        _move('Normal, crosswind', 187, 160, 218, 224, 159),
        _move('Short-field', 171, 150, 199, 192, 163),
        _move('Soft-field', 200, 175, 256, 283, 97),
        _move('Power-off 180', -74, -50, 22, -3, -167),
        _move('No flap', 248, 225, 320, 347, 128),
        _move('Forward slip', -223, -135, -15, -90, -406),
    ),
)
