"""What a change does, in feet: the same aim point flown under other conditions."""

from __future__ import annotations

from dataclasses import dataclass

from bullseye.core.basis.sentence import Phrasebook, Sentence, feet, joined, share
from bullseye.core.brief.landing import BriefAnswer
from bullseye.core.brief.request import BriefRequest
from bullseye.core.given.airfield import in_stripes

_BOOK = Phrasebook('what_if')


@dataclass(frozen=True, slots=True, kw_only=True)
class Change:
    """Effect of a change: where the old aim point would now end, and how far the aim point has to move."""

    touchdown_ft: float
    aim_ft: float
    speed_kt: float
    words: Sentence


def compare(*, before: BriefAnswer, after: BriefAnswer, after_request: BriefRequest) -> Change:
    """Compare two briefs of the same landing."""
    # how far after its aim point a landing touches is the same wherever it aims
    asked_ft = after_request.asked_aim_ft
    held_ft = before.aim.aim_point_ft if asked_ft is None else asked_ft
    touchdown_ft = held_ft + after.touchdown.touchdown_minus_aim_ft - before.touchdown.predicted_touchdown_ft
    aim_ft = after.aim.aim_point_ft - before.aim.aim_point_ft
    return Change(
        touchdown_ft=touchdown_ft,
        aim_ft=aim_ft,
        speed_kt=after.speed.approach_speed_kias - before.speed.approach_speed_kias,
        words=_words(touchdown_ft, aim_ft, after),
    )


def _words(touchdown_ft: float, aim_ft: float, after: BriefAnswer) -> Sentence:
    if not after.aim.aim_is_good:
        return joined(_BOOK.say('no_aim'), after.aim.aim_problems[0])
    moved, shift = round(touchdown_ft, -1), round(aim_ft, -1)  # nobody flies to the foot
    if moved == 0 and shift == 0:
        return _BOOK.say('nothing')
    parts = []
    if moved:
        parts.append(_BOOK.say('farther' if moved > 0 else 'shorter', moved=feet(abs(touchdown_ft), step=10.0)))
    if shift:
        way = 'aim_farther' if shift > 0 else 'aim_shorter'
        parts.append(_BOOK.say(way, shift=feet(abs(aim_ft), step=10.0), stripes=in_stripes(aim_ft)))
    return joined(*parts, _BOOK.say('chance', chance=share(after.aim.hit_chance)))
