"""What a change does, in feet: the same aim point flown under other conditions."""

from __future__ import annotations

from dataclasses import dataclass, replace

from bullseye.core.brief.landing import BriefAnswer, make_brief
from bullseye.core.brief.request import BriefRequest
from bullseye.core.given.airfield import in_stripes


@dataclass(frozen=True, slots=True, kw_only=True)
class Change:
    """Effect of a change: where the old aim point would now end, and how far the aim point has to move."""

    touchdown_ft: float
    aim_ft: float
    speed_kt: float
    words: str


def compare(*, before: BriefAnswer, after: BriefAnswer, after_request: BriefRequest) -> Change:
    """Compare two briefs of the same landing."""
    if after_request.asked_aim_ft is None:
        held = make_brief(replace(after_request, aim_point_ft=before.aim.aim_point_ft))
    else:
        held = after
    touchdown_ft = held.touchdown.predicted_touchdown_ft - before.touchdown.predicted_touchdown_ft
    aim_ft = after.aim.aim_point_ft - before.aim.aim_point_ft
    return Change(
        touchdown_ft=touchdown_ft,
        aim_ft=aim_ft,
        speed_kt=after.speed.approach_speed_kias - before.speed.approach_speed_kias,
        words=_words(touchdown_ft, aim_ft, after),
    )


def _words(touchdown_ft: float, aim_ft: float, after: BriefAnswer) -> str:
    if not after.aim.aim_is_good:
        return f'No aim point is good then. {after.aim.aim_problems[0]}'
    moved, shift = round(touchdown_ft, -1), round(aim_ft, -1)  # nobody flies to the foot
    if moved == 0 and shift == 0:
        return 'Nothing moves by as much as 10 ft.'
    parts = []
    if moved:
        parts.append(
            f'With the old aim point you would touch {abs(moved):,.0f} ft {"farther" if moved > 0 else "shorter"}.'
        )
    if shift:
        parts.append(f'Aim {abs(shift):,.0f} ft {"later" if shift > 0 else "earlier"} ({in_stripes(shift)}).')
    parts.append(f'Chance to hit {after.aim.hit_chance:.0%}.')
    return ' '.join(parts)
