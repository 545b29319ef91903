"""Room for others: number two behind somebody on final, and the wake of larger aircraft."""

from __future__ import annotations

import math
from dataclasses import dataclass

from bullseye.core.basis.constants import FPS_PER_KT, FT_PER_NM
from bullseye.core.basis.sentence import Caution, Phrasebook, Sentence, joined, miles, seconds

GOOD_GAP_S, LEAST_GAP_S = 60.0, 30.0  # [own] between two at the threshold
_BOOK = Phrasebook('traffic')


@dataclass(frozen=True, slots=True, kw_only=True)
class NumberTwo:
    """What following the one ahead takes, and what becomes of the final."""

    extend_s: float
    extend_nm: float
    turn_words: Sentence
    final_nm: float
    level_until_nm: float  # to go to the aim point, where the path to it is met at pattern height
    go_down_words: Sentence
    gap_s: float | None  # between the two at the threshold; None when the one ahead is not known, or is overtaken
    is_offered: bool  # not where it would overtake the one ahead
    caution: Caution | None
    words: Sentence


@dataclass(frozen=True, slots=True, kw_only=True)
class WakeWait:
    """How long to wait behind what."""

    behind: str
    wait_s: float
    words: str


def extension_s(
    *,
    ahead_final_nm: float,
    ahead_kt: float,
    downwind_kt: float,
    spot_ft: float,
    base_turn_after_abeam_s: float,
) -> float:
    """Seconds to fly downwind beyond the usual base turn until the one on final has passed abeam [com].

    Both fly straight on: it towards the threshold from ``ahead_final_nm`` out, we away from abeam the spot.
    """
    apart_ft = ahead_final_nm * FT_PER_NM + spot_ft
    closing_fps = (ahead_kt + downwind_kt) * FPS_PER_KT
    return max(0.0, apart_ft / closing_fps - base_turn_after_abeam_s)


def _gap_caution(gap_s: float, *, extend_s: float, a_second_s: float) -> Caution | None:
    """What a small gap asks for; None for one that is good. ``a_second_s`` is what a second more downwind gains."""
    if gap_s >= GOOD_GAP_S:
        return None
    if gap_s >= LEAST_GAP_S:
        return Caution('mind', _BOOK.say('little_gap', gap=seconds(gap_s)))
    on = seconds(extend_s + (GOOD_GAP_S - gap_s) / a_second_s)
    words = _BOOK.say('overtakes', on=on) if gap_s < 0 else _BOOK.say('too_close', gap=seconds(gap_s), on=on)
    return Caution('stop', words)


def number_two(
    *,
    extend_s: float,
    downwind_kt: float,
    final_ft: float,
    tpa_ft: float,
    path_angle_deg: float,
    aim_ft: float,
    from_abeam_s: float,
    ahead_final_nm: float | None,
    ahead_kt: float,
    final_kt: float,
) -> NumberTwo:
    """Describe the stretched pattern.

    :param final_ft: length of the new final, to the aim point
    :param from_abeam_s: our own time from abeam the spot to the aim point
    :param final_kt: our own groundspeed on final
    """
    extend_nm = extend_s * downwind_kt / 3_600
    level_ft = tpa_ft / math.tan(math.radians(path_angle_deg))
    final_nm, level_nm = final_ft / FT_PER_NM, level_ft / FT_PER_NM
    down = _BOOK.say('stay_level', out=miles(level_nm)) if level_ft < final_ft else _BOOK.say('slower_down')
    gap_s = None
    if ahead_final_nm is not None:
        gap_s = from_abeam_s - ahead_final_nm * FT_PER_NM / (ahead_kt * FPS_PER_KT) - aim_ft / (ahead_kt * FPS_PER_KT)
    turn = _BOOK.say('turn_as_usual')
    if extend_s >= 1:
        turn = _BOOK.say('turn_later', on=seconds(extend_s), far=miles(extend_nm))
    # a second more downwind is also a longer way back
    a_second_s = 1 + downwind_kt / max(1.0, final_kt)
    caution = None if gap_s is None else _gap_caution(gap_s, extend_s=extend_s, a_second_s=a_second_s)
    overtakes = gap_s is not None and gap_s < 0
    if overtakes and caution is not None:
        turn, down, gap_s = caution.words, _BOOK.say('no_descent'), None
    words = [turn, _BOOK.say('new_final', final=miles(final_nm)), down, _BOOK.say('same_aim')]
    if gap_s is not None:
        words.append(_BOOK.say('gap', gap=seconds(gap_s)))
    return NumberTwo(
        is_offered=not overtakes,
        caution=caution,
        extend_s=extend_s,
        extend_nm=extend_nm,
        turn_words=turn,
        final_nm=final_nm,
        level_until_nm=min(level_nm, final_nm),
        go_down_words=down,
        gap_s=gap_s,
        words=turn if overtakes else joined(*words),
    )


WAKE_WAITS: tuple[WakeWait, ...] = (
    # the longer of what is taught [com: 2 behind medium, 4 behind heavy] and of what is published for a light one
    # [pub: ICAO Doc 4444: landing 3 minutes behind either, departing 2; values from memory]
    WakeWait(behind='medium', wait_s=180, words='Landing 3 minutes [ICAO Doc 4444]; the local rule wins.'),
    WakeWait(
        behind='medium, taking off',
        wait_s=120,
        words='2 minutes [common teaching, and ICAO Doc 4444]; the local rule wins.',
    ),
    WakeWait(behind='heavy', wait_s=240, words='4 minutes [common teaching]; the local rule wins.'),
)
WAKE_WORDS = (
    'Or land beyond where the larger one touched, or lift off before where it did. In a light crosswind its wake can '
    'stay on the runway: wait longer. If in doubt, go around.'
)


def parallel_words(*, ident: str, others: tuple[str, ...], side: str) -> Sentence | None:
    """What a parallel runway means for the turn onto final; None without one.

    Runways are parallel when they share their number and differ in the letter.
    """
    number, letter = ident.rstrip('LCR'), ident[len(ident.rstrip('LCR')) :]
    same = [other for other in others if other != ident and other.rstrip('LCR') == number]
    if not letter or not same:
        return None
    order = 'LCR'
    found = []
    for other in sorted(same, key=lambda one: order.find(one[-1])):
        at = 'left' if order.find(other[-1]) < order.find(letter) else 'right'
        if at == side:
            found.append(_BOOK.say('under_pattern', other=other, at=at, side=side))
        else:
            found.append(_BOOK.say('beside_pattern', other=other, at=at, side=side))
    return joined(*found)
