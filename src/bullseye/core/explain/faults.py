"""Faults of a landing and their remedies: what each looks like, why it happens, what to do now, what to practise.

The trade's knowledge [com] in our own words. In the air one thing is always right, and stands in each: going around.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from bullseye.core.basis.sentence import Phrasebook, Quantity, Sentence, degrees, feet, joined

_AROUND = 'Going around is always right.'


@dataclass(frozen=True, slots=True, kw_only=True)
class Fault:
    """One fault. ``marks`` are what a recorder notes of it; ``practise`` names exercises of the syllabus."""

    code: str
    name: str
    marks: tuple[str, ...]
    looks: str
    causes: tuple[str, ...]
    now: tuple[str, ...]
    practise: tuple[str, ...]
    practise_words: str


def _fault(
    code: str,
    name: str,
    *,
    marks: tuple[str, ...] = (),
    looks: str,
    causes: tuple[str, ...],
    now: tuple[str, ...],
    practise: tuple[str, ...],
    how: str,
) -> Fault:
    return Fault(
        code=code,
        name=name,
        marks=marks,
        looks=looks,
        causes=causes,
        now=(*now, _AROUND),
        practise=practise,
        practise_words=how,
    )


FAULTS: tuple[Fault, ...] = (
    _fault(
        'bounce',
        'Bounce',
        marks=('bounced',),
        looks='The wheels touch, and the aeroplane is in the air again with the nose high and the speed going.',
        causes=(
            'Too little flare: it was flown onto the runway.',
            'Too fast, so that it still wanted to fly.',
            'Looking at the runway just ahead.',
        ),
        now=(
            'A small one: hold the attitude, a touch of power, let it settle. Never push forward.',
            'A high one, or a second: full power, level, and away.',
        ),
        practise=('bounce', 'landing_normal', 'deck_drill'),
        how='Hold-off drill at altitude, then low approaches along the runway, eyes to the far end.',
    ),
    _fault(
        'balloon',
        'Balloon',
        marks=('ballooned',),
        looks='In the roundout the runway sinks away again, and the speed runs out above it.',
        causes=('Pulled too fast or too much.', 'Too fast over the threshold.', 'A gust in the roundout.'),
        now=(
            'Small: stop pulling, hold the attitude, a touch of power as it sinks.',
            'Large: full power and around; the speed for a second try is gone.',
        ),
        practise=('deck_drill', 'landing_normal'),
        how='Fly the briefed speed, and round out with the pressure that the nose asks for, no more.',
    ),
    _fault(
        'porpoise',
        'Porpoise',
        looks='Nosewheel, mainwheels, nosewheel: each bounce is larger than the one before.',
        causes=('Nosewheel first, then chasing each bounce with the stick, half a beat late.',),
        now=(
            'Do not chase it: stick back to the landing attitude, full power, around.',
            'A third bounce breaks the nosewheel.',
        ),
        practise=('bounce', 'go_around'),
        how='Go-around from the roundout until it needs no thought.',
    ),
    _fault(
        'wheelbarrow',
        'Wheelbarrowing',
        marks=('nose_first',),
        looks='The weight is on the nosewheel; it steers sharply, and the tail feels light.',
        causes=('Too fast at the touchdown, and forward pressure to keep it down.',),
        now=(
            'Stick back, power off, straight with little rudder.',
            'If it is not straight at once and runway is left: around.',
        ),
        practise=('landing_normal', 'deck_drill'),
        how='Hold it off until it will not fly any more; the stick comes back all the way.',
    ),
    _fault(
        'dropped_in',
        'Dropped in',
        marks=('dropped_in',),
        looks='It stops flying above the runway, and falls the last feet.',
        causes=('Rounded out too high.', 'Too slow, or power off too early.', 'Looking too close in front.'),
        now=('While it sinks: power, hold the attitude; lower the nose only with height in hand.',),
        practise=('deck_drill', 'low_approach'),
        how='Low approaches along the runway show how high the hold-off is; then land from the same picture.',
    ),
    _fault(
        'drift',
        'Touched sideways',
        marks=('drifted',),
        looks='The runway slides under the nose to one side, and the tyres squeal across.',
        causes=(
            'Wing not low enough, or the correction taken out in the hold-off.',
            'Wind across that changed near the ground.',
        ),
        now=(
            'Wing into the wind, nose straight by rudder, keep it until it stops.',
            'If full rudder cannot hold it straight, the wind is too much: leave.',
        ),
        practise=('landing_crosswind', 'low_approach'),
        how='Low approaches with the wing down, along the centreline from end to end, without touching.',
    ),
    _fault(
        'crab_left_in',
        'Crab left in',
        marks=('crab_left_in',),
        looks='It touches with the nose off the runway’s direction, and jerks straight.',
        causes=('Straightened too late, or not at all.', 'Rudder without the aileron that belongs to it.'),
        now=('Rudder to the centreline with the wing into the wind, before it touches.',),
        practise=('landing_crosswind',),
        how='Wing low from short final on, so that there is nothing left to straighten.',
    ),
    _fault(
        'long',
        'Long',
        marks=('going_long',),
        looks='The spot goes by underneath, and it still floats.',
        causes=('Aim point too near to the spot.', 'Too fast.', 'Rounded out high, or power left on.'),
        now=('Wheels not down by the go-around point: full power, around.', 'Never push it onto the runway.'),
        practise=('landing_normal',),
        how='Fly the briefed speed first; then move the aim point by what is left.',
    ),
    _fault(
        'short',
        'Short',
        marks=('going_short',),
        looks='The aim point rises in the windscreen; more power is needed and the nose is high.',
        causes=(
            'Dragged in: below the path with power.',
            'Slow, on the back of the power curve.',
            'More headwind than planned.',
        ),
        now=('Power holds the path, pitch holds the speed: both, at once.', 'Never stretch a glide with the stick.'),
        practise=('landing_short', 'pattern'),
        how='One steady path from the base turn on, the aim point held still.',
    ),
    _fault(
        'flat',
        'Dragged in, low and flat',
        marks=('flat',),
        looks='The runway looks flat and long before the threshold; the power is up.',
        causes=('Descent begun too early or too fast.', 'A narrow or rising runway, which looks high.'),
        now=('Power and level until the path is met from below, then down on it.',),
        practise=('pattern', 'sloping_field'),
        how='Altitude gates on base and final, called aloud.',
    ),
    _fault(
        'steep',
        'High and steep',
        marks=('steep',),
        looks='The runway looks tall, and the aim point sinks below the nose.',
        causes=('Base turned too early, or a wind that pulled it in.', 'Flap or power change too late.'),
        now=('Power off, all flap, slip if the aircraft allows it; speed stays.', 'Not stable at the gate: around.'),
        practise=('forward_slip', 'pattern'),
        how='Fly base a little later, and slip from high on purpose.',
    ),
    _fault(
        'overshot',
        'Overshot final',
        marks=('overshot_final',),
        looks='The turn ends beyond the centreline.',
        causes=('A wind along base that nobody allowed for.', 'Base flown too near, or the turn begun too late.'),
        now=(
            'Thirty degrees of bank and no more, and wait for it to come round; or around.',
            'No rudder to help it: that is how a spin begins.',
        ),
        practise=('pattern', 'stalls'),
        how='Work out the lead for today’s wind before each lap, and say it on base.',
    ),
    _fault(
        'over_banked',
        'Too much bank in the last turn',
        marks=('over_banked',),
        looks='Bank over thirty degrees, the nose coming up to hold height, the stall warning near.',
        causes=('Overshooting, and trying to save it.', 'A tight downwind.'),
        now=('Less bank, lower the nose, power: around.',),
        practise=('stalls', 'pattern'),
        how='Stalls from a slow turn to final, at altitude; wider downwind.',
    ),
    _fault(
        'swing',
        'Swing on the roll',
        marks=('takeoff_off_centreline',),
        looks='On the roll the nose goes to one side, and more when the tail or the nosewheel lifts.',
        causes=(
            'Power pushed in too fast for the feet.',
            'Wind across, and aileron forgotten.',
            'Heels on the brakes.',
        ),
        now=('Rudder early and small; if it is not held at once, power off and straight.',),
        practise=('takeoff_normal', 'takeoff_crosswind', 'rejected_takeoff'),
        how='Power over three seconds, heels on the floor, eyes at the far end.',
    ),
    _fault(
        'stall_high',
        'Stall warning high above the runway',
        looks='The warning sounds in the roundout with feet of air below.',
        causes=('Rounded out too high and held.', 'Slow on final.'),
        now=('Power and hold the attitude as it settles; high: full power, around.',),
        practise=('deck_drill', 'slow_flight'),
        how='Hold-off drill at altitude: know what the last three knots feel like.',
    ),
    _fault(
        'off_centreline',
        'Off the centreline',
        marks=('off_centreline',),
        looks='It touches beside the line and rolls towards the edge.',
        causes=('Looking past the nose at the side that one sits on.', 'Final not lined up before the gate.'),
        now=('Correct to the line while there is air below; rolling, small rudder.',),
        practise=('low_approach', 'landing_normal'),
        how='Low approaches with the line between the feet from end to end.',
    ),
)


# [own] faults that come before anything harder, gravest first; of the latest landings at least two, and half
_BASIC = ('dropped_in', 'bounce', 'balloon', 'wheelbarrow', 'drift', 'crab_left_in', 'off_centreline')
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
