"""How far one lap may move the aim: the one rule of server, command line and tablet."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import replace

from bullseye.core.basis.kinds import ROUNDOUT_MARKS
from bullseye.core.brief.aiming import recommended_aim_ft
from bullseye.core.brief.landing import BriefAnswer
from bullseye.core.brief.request import BriefRequest
from bullseye.core.given.belief import Calibration


def stepped_aim_ft(
    request: BriefRequest,
    beliefs: Sequence[Calibration],
    *,
    step_ft: float,
    moves: Sequence[bool] = (),
    aim_of_ft: Callable[[BriefRequest], float] = recommended_aim_ft,
) -> float:
    """The aim point for the next lap, each lap having taught no more than a step [ft from the threshold].

    The aim that each belief gives is worked out for the landing that comes now, in its wind, at its spot and speed, so
    that only what was learned is held back: A₁ is that of the first belief, then Aₙ = Aₙ₋₁ + clip(aimₙ − Aₙ₋₁, ± step)
    [own]. Where a lap was really aimed moves nothing.

    :param beliefs: before each lap so far, oldest first, and what is believed now; at least one
    :param moves: of each lap so far, whether it may move the aim: one that was dropped in asks for another roundout
    :param step_ft: what one lap may move it by; an aim by a rule of thumb, or set by the instructor, is not held back
    """
    here = replace(request, aim_point_ft=None)
    aims_ft = [aim_of_ft(replace(here, calibration=one)) for one in beliefs]
    if request.technique.aim_distance != 'calibrated':
        return aims_ft[-1]
    held_ft = aims_ft[0]
    for number, aim_ft in enumerate(aims_ft[1:]):
        if number >= len(moves) or moves[number]:
            held_ft += min(max(aim_ft - held_ft, -step_ft), step_ft)
    return held_ft


def is_held_good(held: BriefAnswer, free: BriefAnswer) -> bool:
    """Whether the held aim may be offered: an aim that is not good is not flown for the sake of a step."""
    return held.aim.aim_is_good or not free.aim.aim_is_good


def moves_the_aim(marks: Sequence[str]) -> bool:
    """Whether a lap with these marks may move the aim: what a wrong roundout did asks for another roundout first."""
    return not ROUNDOUT_MARKS & set(marks)
