"""How much runway a landing, and a touch-and-go, leaves: one reckoning for every screen that tells a margin."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from bullseye.core.basis.constants import FPS_PER_KT, LEAST_MARGIN_SHARE, TOUCH_AND_GO_ROLL_S
from bullseye.core.basis.kinds import CorrectionSet
from bullseye.core.basis.sentence import Caution, Phrasebook, Sentence, feet, lacking, to_spare
from bullseye.core.brief.aiming import Reached, TouchdownPart
from bullseye.core.model.distances import GroundRoll

MarginBy = Literal['over_50_ft', 'stop']
_BOOK = Phrasebook('margins')


@dataclass(frozen=True, slots=True, kw_only=True)
class LandingMargin:
    """Runway left over by a landing [ft], by one set of corrections; None is unknown, below 0 it is too short.

    The least of what the handbook's distance from 50 ft leaves and of what is left where 19 of 20 landings stop.
    """

    correction_set: CorrectionSet
    margin_ft: float | None
    margin_by: MarginBy | None
    needed_ft: float | None  # of what the margin is left over
    over_50_ft_ft: float | None  # None too where the handbook's is not entered: then the other alone decides
    stop_95_ft: float | None  # from the landing threshold
    expected_stop_ft: float | None  # likewise: of the mean touchdown, as briefed or as flown lately
    available_ft: float
    margin_words: Sentence


def landing_margin(
    roll: GroundRoll | None,
    touchdown: TouchdownPart | Reached,
    *,
    correction_set: CorrectionSet,
    available_ft: float,
    set_roll_ft: float | None = None,
) -> LandingMargin:
    """What a landing leaves of the runway behind the landing threshold.

    :param set_roll_ft: the ground roll that the instructor set, in place of the one worked out
    """
    by_set = None if roll is None else roll.by(correction_set)
    roll_ft = set_roll_ft if by_set is None or set_roll_ft is not None else by_set.ground_roll_ft
    over_50_ft = None if by_set is None else by_set.over_50_ft_ft
    stop_ft = None if roll_ft is None else touchdown.touchdown_95_ft + roll_ft
    mean_ft = max(touchdown.predicted_touchdown_ft, touchdown.predicted_lately_ft)
    expected_roll_ft = roll_ft if roll is None or set_roll_ft is not None else roll.expected_ft
    found: list[tuple[float, MarginBy, float]] = []
    if over_50_ft is not None:
        found.append((available_ft - over_50_ft, 'over_50_ft', over_50_ft))
    if stop_ft is not None:
        found.append((available_ft - stop_ft, 'stop', stop_ft))
    margin_ft, by, needed_ft = min(found) if found else (None, None, None)
    return LandingMargin(
        correction_set=correction_set,
        margin_ft=margin_ft,
        margin_by=by,
        needed_ft=needed_ft,
        over_50_ft_ft=over_50_ft,
        stop_95_ft=stop_ft,
        expected_stop_ft=None if expected_roll_ft is None else mean_ft + expected_roll_ft,
        available_ft=available_ft,
        margin_words=_words(margin_ft, by, correction_set),
    )


def _words(margin_ft: float | None, by: MarginBy | None, correction_set: CorrectionSet) -> Sentence:
    if margin_ft is None or by is None:
        return _BOOK.say('unknown')
    factor = _BOOK.say('factored' if correction_set == 'uk_caa' else 'unfactored')
    if margin_ft < 0:
        return _BOOK.say('short', short=lacking(margin_ft), by=_BOOK.say(by), factor=factor)
    return _BOOK.say('left', left=to_spare(margin_ft), by=_BOOK.say(by), factor=factor)


def moved_margin_ft(margin: LandingMargin, moved_ft: float) -> float | None:
    """The margin of a landing that touches farther along by so much [ft]; None stays unknown."""
    left = [] if margin.over_50_ft_ft is None else [margin.available_ft - margin.over_50_ft_ft]
    left += [] if margin.stop_95_ft is None else [margin.available_ft - margin.stop_95_ft - moved_ft]
    return min(left, default=None)


def margin_problems(margin: LandingMargin) -> list[Sentence]:
    """Why no landing is good that the runway is too short for."""
    said, available_ft = [], margin.available_ft
    over_ft, stop_ft, mean_ft = margin.over_50_ft_ft, margin.stop_95_ft, margin.expected_stop_ft
    if over_ft is not None and over_ft > available_ft:
        said.append(_BOOK.say('short_over_50', needed=feet(over_ft, step=10.0), short=lacking(available_ft - over_ft)))
    if mean_ft is not None and mean_ft > available_ft:
        said.append(_BOOK.say('stops_beyond', beyond=lacking(available_ft - mean_ft)))
    elif stop_ft is not None and stop_ft > available_ft:
        said.append(_BOOK.say('may_stop_beyond', beyond=lacking(available_ft - stop_ft)))
    return said


def margin_cautions(margin: LandingMargin) -> list[Caution]:
    """What is to be minded of a landing that fits with less than a third of its distance to spare.

    A distance that is factored already needs no more.
    """
    left_ft, needed_ft = margin.margin_ft, margin.needed_ft
    if left_ft is None or needed_ft is None or margin.correction_set != 'common':
        return []
    if not 0 <= left_ft < LEAST_MARGIN_SHARE * needed_ft:
        return []
    return [Caution('mind', _BOOK.say('little', left=to_spare(left_ft), needed=feet(needed_ft, step=10.0)))]


def touch_and_go_margin_ft(
    touchdown: TouchdownPart, *, available_ft: float, touchdown_ground_kt: float, takeoff_over_50_ft: float | None
) -> float | None:
    """Runway left at 50 ft after a touch-and-go [ft]; None is unknown, below 0: full stop only.

    The touchdown that 19 of 20 are nearer than, five seconds of rolling at touchdown speed [own], and then a whole
    takeoff from a standstill, which errs long.

    :param takeoff_over_50_ft: of the takeoff as briefed, by the same set of corrections
    """
    if takeoff_over_50_ft is None:
        return None
    rolled_ft = max(0.0, touchdown_ground_kt) * FPS_PER_KT * TOUCH_AND_GO_ROLL_S
    return available_ft - touchdown.touchdown_95_ft - rolled_ft - takeoff_over_50_ft


def touch_and_go_words(margin_ft: float | None) -> Sentence:
    """What a touch-and-go leaves, in words."""
    if margin_ft is None:
        return _BOOK.say('go_unknown')
    return (
        _BOOK.say('full_stop', short=lacking(margin_ft)) if margin_ft < 0 else _BOOK.say('go', left=to_spare(margin_ft))
    )


def touch_and_go_cautions(margin_ft: float | None, takeoff_over_50_ft: float | None) -> list[Caution]:
    """What a touch-and-go leaves, where it is too little, little or unknown."""
    if margin_ft is None or takeoff_over_50_ft is None:
        return [Caution('mind', _BOOK.say('go_unknown'))]
    if margin_ft < 0:
        return [Caution('mind', _BOOK.say('full_stop', short=lacking(margin_ft)))]
    if margin_ft < LEAST_MARGIN_SHARE * takeoff_over_50_ft:
        return [Caution('mind', _BOOK.say('little_to_go', left=to_spare(margin_ft)))]
    return []
