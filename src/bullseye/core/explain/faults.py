"""Faults of a landing and their remedies: what each looks like, why it happens, what to do now, what to practise.

The trade's knowledge [com] in our own words. In the air one thing is always right, and stands in each: going around.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from bullseye.core.basis.sentence import Phrasebook, Quantity, Sentence, degrees, feet, joined

_FAULT = Phrasebook('fault')
Where = Literal['takeoff', 'pattern', 'final', 'touched', 'roll', 'around']


@dataclass(frozen=True, slots=True, kw_only=True)
class Fault:
    """One fault. ``where`` in the lap it is seen; ``marks`` are what a recorder notes of it.

    ``practise`` names exercises of the syllabus.
    """

    code: str
    where: Where
    name: Sentence
    marks: tuple[str, ...]
    looks: Sentence
    causes: tuple[Sentence, ...]
    now: tuple[Sentence, ...]
    practise: tuple[str, ...]
    practise_words: Sentence


def _fault(code: str, where: Where, *, marks: tuple[str, ...], practise: tuple[str, ...]) -> Fault:
    return Fault(
        code=code,
        where=where,
        name=_FAULT.say(f'{code}_name'),
        marks=marks,
        looks=_FAULT.say(f'{code}_looks'),
        causes=_FAULT.all_of(f'{code}_cause'),
        now=(*_FAULT.all_of(f'{code}_now'), _FAULT.say('around')),
        practise=practise,
        practise_words=_FAULT.say(f'{code}_how'),
    )


FAULTS: tuple[Fault, ...] = (
    _fault('rotation', 'takeoff', marks=('rotated_early', 'rotated_late'), practise=('takeoff_normal',)),
    _fault(
        'swing',
        'takeoff',
        marks=('takeoff_off_centreline',),
        practise=('takeoff_normal', 'takeoff_crosswind', 'rejected_takeoff'),
    ),
    _fault(
        'nosewheel_held_down',
        'takeoff',
        marks=('nosewheel_held_down',),
        practise=('takeoff_normal', 'takeoff_crosswind'),
    ),
    _fault('settled_back', 'takeoff', marks=('settled_back',), practise=('takeoff_soft', 'takeoff_normal')),
    _fault('altitude', 'pattern', marks=('tpa_not_held',), practise=('pattern', 'slow_flight')),
    _fault('spacing', 'pattern', marks=('wide', 'tight'), practise=('pattern',)),
    _fault(
        'too_fast',
        'pattern',
        marks=('fast_downwind', 'fast_base', 'fast_final'),
        practise=('pattern', 'slow_flight'),
    ),
    _fault(
        'too_slow',
        'pattern',
        marks=('slow_downwind', 'slow_base', 'slow_final'),
        practise=('slow_flight', 'stalls', 'pattern'),
    ),
    _fault('descent_late', 'pattern', marks=('descent_late',), practise=('pattern', 'forward_slip')),
    _fault('corner_cut', 'pattern', marks=('corner_cut',), practise=('pattern',)),
    _fault('not_trimmed', 'pattern', marks=('not_trimmed',), practise=('slow_flight', 'pattern')),
    _fault('over_controlled', 'pattern', marks=('over_controlled',), practise=('slow_flight', 'pattern')),
    _fault('over_banked', 'pattern', marks=('over_banked',), practise=('stalls', 'pattern')),
    _fault('check_missed', 'pattern', marks=('check_missed',), practise=('pattern',)),
    _fault('gear_late', 'pattern', marks=('gear_late',), practise=('retractable', 'pattern')),
    _fault('call_missed', 'pattern', marks=('call_missed',), practise=('radio',)),
    _fault('lookout_missed', 'pattern', marks=('lookout_missed',), practise=('traffic', 'pattern')),
    _fault('overshot', 'final', marks=('overshot_final',), practise=('pattern', 'stalls')),
    _fault('flat', 'final', marks=('flat',), practise=('pattern', 'sloping_field')),
    _fault('steep', 'final', marks=('steep',), practise=('forward_slip', 'pattern')),
    _fault('chased', 'final', marks=('chased_with_power',), practise=('landing_normal', 'pattern')),
    _fault('gate', 'final', marks=('gate_not_met',), practise=('go_around', 'pattern')),
    _fault('long', 'final', marks=('going_long',), practise=('landing_normal',)),
    _fault('short', 'final', marks=('going_short',), practise=('landing_short', 'pattern')),
    _fault('power_left_on', 'touched', marks=('power_left_on',), practise=('landing_normal', 'low_approach')),
    _fault('rounded_out_high', 'touched', marks=('rounded_out_high',), practise=('low_approach', 'deck_drill')),
    _fault(
        'rounded_out_low',
        'touched',
        marks=('rounded_out_low', 'rounded_out_late'),
        practise=('low_approach', 'landing_normal'),
    ),
    _fault('eyes_too_near', 'touched', marks=('eyes_too_near',), practise=('low_approach', 'landing_normal')),
    _fault('stirred', 'touched', marks=('stirred',), practise=('deck_drill', 'low_approach')),
    _fault('balloon', 'touched', marks=('ballooned',), practise=('deck_drill', 'landing_normal')),
    _fault('stall_high', 'touched', marks=('stall_warning_high',), practise=('deck_drill', 'slow_flight')),
    _fault('dropped_in', 'touched', marks=('dropped_in',), practise=('deck_drill', 'low_approach')),
    _fault('let_go', 'touched', marks=('let_go',), practise=('deck_drill', 'landing_normal')),
    _fault('pushed', 'touched', marks=('pushed',), practise=('bounce', 'go_around')),
    _fault('bounce', 'touched', marks=('bounced',), practise=('bounce', 'landing_normal', 'deck_drill')),
    _fault('porpoise', 'touched', marks=('porpoised',), practise=('bounce', 'go_around')),
    _fault('wheelbarrow', 'touched', marks=('nose_first',), practise=('landing_normal', 'deck_drill')),
    _fault('nosewheel_not_held', 'touched', marks=('nosewheel_not_held',), practise=('landing_soft', 'landing_normal')),
    _fault('mains_first', 'touched', marks=('mains_first',), practise=('three_point', 'deck_drill')),
    _fault('tail_first', 'touched', marks=('tail_first',), practise=('three_point', 'wheel_landing')),
    _fault('drift', 'touched', marks=('drifted',), practise=('landing_crosswind', 'low_approach')),
    _fault('crab_left_in', 'touched', marks=('crab_left_in',), practise=('landing_crosswind',)),
    _fault('kicked', 'touched', marks=('kicked_too_hard',), practise=('landing_crosswind', 'low_approach')),
    _fault('off_centreline', 'touched', marks=('off_centreline',), practise=('low_approach', 'landing_normal')),
    _fault('swung', 'roll', marks=('swung',), practise=('landing_crosswind', 'landing_normal')),
    _fault('stick_not_back', 'roll', marks=('stick_not_back',), practise=('landing_normal', 'landing_soft')),
    _fault('levers', 'roll', marks=('flap_on_roll', 'brake_on_roll'), practise=('landing_short', 'landing_normal')),
    _fault(
        'around_flown',
        'around',
        marks=('around_power', 'around_pitch', 'around_flap', 'around_not_aside', 'around_call_missed'),
        practise=('go_around',),
    ),
    _fault('sank_through', 'touched', marks=('sank_through',), practise=('deck_drill', 'slow_flight')),
    _fault(
        'low_flown', 'touched', marks=('touched_runway', 'height_not_kept'), practise=('low_approach', 'deck_drill')
    ),
)


# [own] faults that come before anything harder, gravest first; of the latest landings at least two, and half
_BASIC = (
    *('pushed', 'porpoise', 'stall_high', 'dropped_in', 'rounded_out_high', 'rounded_out_low', 'bounce', 'balloon'),
    *('wheelbarrow', 'eyes_too_near', 'let_go', 'drift', 'crab_left_in', 'kicked', 'swung', 'off_centreline'),
)
_LATEST, _LEAST, _SHARE = 6, 2, 0.5


def steady_fault(marks_by_landing: Sequence[Sequence[str]]) -> Fault | None:
    """A basic fault that the latest landings were marked with again and again; None where none was.

    :param marks_by_landing: marks of each landing, oldest first
    """
    latest = marks_by_landing[-_LATEST:]
    for fault in sorted((one for one in FAULTS if one.code in _BASIC), key=lambda one: _BASIC.index(one.code)):
        seen = sum(any(mark in fault.marks for mark in marks) for marks in latest)
        if seen >= _LEAST and seen >= _SHARE * len(latest):
            return fault
    return None


_MILE_FT = 6_076.12  # [pub: exact] of a nautical mile
_SLOPE_LOOKS_DEG = 0.57  # [pub: exact, atan 1 %] by which each per cent of upslope looks higher
_SAID_FT = 20.0  # [own] a mile out, off the path that is wanted
_BOOK = Phrasebook('illusion')


@dataclass(frozen=True, slots=True, kw_only=True)
class Shape:
    """What of a runway the eye compares."""

    name: str
    length_ft: float
    width_ft: float
    slope_pct: float
    path_angle_deg: float = 3.0  # of its lights, or as it is usually flown


Cue = Literal['width', 'length', 'slope']


@dataclass(frozen=True, slots=True, kw_only=True)
class CueSeen:
    """One thing that deceives on the way in.

    ``flown_deg`` is the path on which the usual picture is seen, by this cue alone; ``off_ft`` how far that is off the
    wanted path a mile out, negative low.
    """

    cue: Cue
    flown_deg: float
    off_ft: float
    words: Sentence


def _off_ft(flown_deg: float, path_deg: float) -> float:
    return _MILE_FT * (math.tan(math.radians(flown_deg)) - math.tan(math.radians(path_deg)))


def _cue(cue: Cue, ratio: float, slope_deg: float, home: Shape) -> CueSeen | None:
    """What width or length makes of the picture, and with the slope where both deceive the same way."""
    path_deg = home.path_angle_deg
    flown_deg = math.degrees(math.atan(min(max(ratio, 0.5), 2.0) * math.tan(math.radians(path_deg))))
    off_ft = _off_ft(flown_deg, path_deg)
    if abs(off_ft) < _SAID_FT:
        return None
    side = 'low' if off_ft < 0 else 'high'
    values: dict[str, Quantity | str] = {'flown': degrees(flown_deg, step=0.1)}
    if cue == 'width':
        values |= {'home': home.name, 'off': feet(abs(off_ft), step=10.0)}
    words = _BOOK.say(f'{cue}_{side}', **values)
    both_deg = flown_deg - slope_deg
    if slope_deg * off_ft < 0 and abs(_off_ft(path_deg - slope_deg, path_deg)) >= _SAID_FT:
        off = feet(abs(_off_ft(both_deg, path_deg)), step=10.0)
        words = joined(words, _BOOK.say('together', flown=degrees(both_deg, step=0.1), off=off, side=side))
    return CueSeen(cue=cue, flown_deg=flown_deg, off_ft=off_ft, words=words)


def illusions(here: Shape, *, home: Shape) -> tuple[CueSeen, ...]:
    """How a runway deceives a pilot who is used to another: each cue apart, the one that is flown low first.

    Within a mile the convergence of the edges depends on height over width: tan γ₁ = tan γ₀ · W₁/W₀ [own, geometry;
    direction pub: AIM 8-1-5]. Far out the shape counts: tan γ₁ = tan γ₀ · (W₁/L₁)/(W₀/L₀) [own; same form ratio, after
    Mertens & Lewis (1982), from memory], which holds the width. Each per cent of upslope looks 0.57° too high at every
    distance. Half to twice the usual is taken at most: beyond it nobody is fooled. Nothing cancels.
    """
    path_deg, width = home.path_angle_deg, here.width_ft / home.width_ft
    slope_deg = _SLOPE_LOOKS_DEG * (here.slope_pct - home.slope_pct)
    found = [
        _cue('width', width, slope_deg, home),
        _cue('length', width * home.length_ft / here.length_ft, slope_deg, home),
    ]
    slope_off_ft = _off_ft(path_deg - slope_deg, path_deg)
    if abs(slope_off_ft) >= _SAID_FT:
        words = _BOOK.say(
            'slope_low' if slope_deg > 0 else 'slope_high',
            home=home.name,
            angle=degrees(abs(slope_deg), step=0.1),
        )
        found.append(CueSeen(cue='slope', flown_deg=path_deg - slope_deg, off_ft=slope_off_ft, words=words))
    return tuple(sorted((one for one in found if one is not None), key=lambda one: one.off_ft >= 0))


def illusion_words(here: Shape, *, home: Shape) -> tuple[Sentence, ...]:
    """The same in sentences; with what to do about it, or that nothing deceives."""
    said = [one.words for one in illusions(here, home=home)]
    if not said:
        return (_BOOK.say('same', home=home.name),)
    gate_ft = _MILE_FT * math.tan(math.radians(here.path_angle_deg))
    return (*said, _BOOK.say('gates', gate=feet(gate_ft, step=10.0)))
