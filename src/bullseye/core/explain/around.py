"""The rest of the lap, judged: takeoff, pattern, final, rollout, and the decision to land or to go around.

Only what was measured or marked is judged. A figure is a fault when it lies beyond its limit by more than it may be
wrong; between the two it is near. A mark by the person in the right seat stands, whatever a track says.
"""

from __future__ import annotations

from collections.abc import Collection
from dataclasses import dataclass

from bullseye.core.basis.kinds import NOT_LANDED, LandingKind, Outcome
from bullseye.core.basis.sentence import Phrasebook, Quantity, Sentence, Unit, as_given, feet
from bullseye.core.basis.unknown import known_or
from bullseye.core.explain.aroundmeasures import FREE, MEASURES, NO_STEADY_FINAL, TASKS, Measure, Task
from bullseye.core.explain.scoring import Verdict
from bullseye.core.given.standards import Standard
from bullseye.core.measure.around import Around, Beyond, WorkedOut
from bullseye.core.measure.noted import WentAround

_CREDIT: dict[Verdict, float] = {'pass': 1.0, 'near': 0.5, 'fail': 0.0}
_BOOK = Phrasebook('around')


@dataclass(frozen=True, slots=True, kw_only=True)
class Point:
    """One thing of a lap that is judged. ``half_width`` holds 95 % of what the value may be off by.

    ``limit`` is None where the standard's figure is not known; ``is_own`` where the limit is ours and of no standard.
    """

    task: Task
    name: str
    label: Sentence
    value: float | None
    half_width: float | None
    unit: str
    limit: Sentence | None
    low: float | None  # the limits as numbers; None: not known, or nothing is asked for on that side
    high: float | None
    is_own: bool
    verdict: Verdict
    is_marked: bool
    weight: float
    points: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Fault:
    """What was not within limits, in a sentence; ``size`` tells which of several laps was the worst."""

    name: str
    size: float
    words: Sentence


@dataclass(frozen=True, slots=True, kw_only=True)
class AroundJudged:
    """The rest of a lap: what was judged, and the faults, gravest first; points are None where nothing was judged."""

    judged: tuple[Point, ...]
    points: float | None
    out_of: float
    decision: Verdict
    decision_words: Sentence | None  # None of laps that were not meant to land
    faults: tuple[Fault, ...]
    not_measured: Sentence | None

    def verdict(self, task: Task) -> Verdict:
        """The worst of a task; unknown where nothing of it was judged."""
        found = {one.verdict for one in self.judged if one.task == task}
        return next((one for one in _WORST_FIRST if one in found), 'unknown')


_WORST_FIRST: tuple[Verdict, ...] = ('fail', 'near', 'pass')
_GATE = ('path', 'final_centreline', 'steady')  # of which one broken means: go around
# What could hurt first comes first [own]
_GRAVE = (
    *('bank', 'overshoot', 'path', 'steady', 'final_speed', 'climb_speed', 'first_turn', 'final_centreline'),
    *('takeoff_centreline', 'liftoff', 'altitude', 'downwind_speed', 'spacing', 'downwind_track'),
)


def judge_around(
    around: Around | None,
    plan: WorkedOut,
    *,
    standard: Standard,
    landing: LandingKind,
    outcome: Outcome,
    marks: Collection[str] = (),
    slight: Collection[str] = (),
    went_around: WentAround | None = None,
    beyond: Beyond | None = None,
) -> AroundJudged:
    """Judge the rest of a lap.

    :param around: as a recorded flight measured it; None where there is none
    :param marks: what the person in the right seat marked
    :param slight: those of the marks that were slight: near, and no fault
    :param went_around: a go-around as it was seen
    :param beyond: how far behind the go-around point it touched; None where either is not known
    """
    measured = around or Around()
    number = {task: sum(one.task == task for one in MEASURES) for task in TASKS}
    points = []
    for one in MEASURES:
        if landing in NO_STEADY_FINAL and one.task == 'final':
            continue
        if one.task == 'rollout' and outcome != 'full_stop':
            continue
        if one.name in ('takeoff_centreline', 'liftoff', 'climb_speed', 'first_turn') and outcome == 'drill':
            continue
        weight = _weight(standard, one.task) / number[one.task]
        points.append(_point(one, measured, plan, standard, landing, (marks, slight), weight))
    decision, words = _decision(points, outcome=outcome, marks=marks, went_around=went_around, beyond=beyond)
    if decision != 'unknown':
        weight = standard.weights.decision
        points.append(
            Point(
                task='decision',
                name='decision',
                label=_BOOK.say('label_decision'),
                value=None,
                half_width=None,
                unit='',
                limit=_BOOK.say('decision_limit'),
                low=None,
                high=None,
                is_own=True,
                verdict=decision,
                is_marked='gate_not_met' in marks,
                weight=weight,
                points=weight * _CREDIT[decision],
            )
        )
    judged = [one for one in points if one.points is not None]
    return AroundJudged(
        judged=tuple(one for one in points if one.verdict != 'unknown' or one.value is not None),
        points=sum(known_or(one.points, 0.0) for one in judged) if judged else None,
        out_of=sum(one.weight for one in judged),
        decision=decision,
        decision_words=words,
        faults=(*_faults(points, decision, words, plan), *_late_fault(went_around)),
        not_measured=_not_measured(points),
    )


def _weight(standard: Standard, task: Task) -> float:
    """Points of a task; the rollout counts with the final."""
    weight: float = standard.weights.final / 4 if task == 'rollout' else getattr(standard.weights, task)
    return weight


def _point(
    one: Measure,
    around: Around,
    plan: WorkedOut,
    standard: Standard,
    landing: LandingKind,
    seen: tuple[Collection[str], Collection[str]],
    weight: float,
) -> Point:
    off = one.off(around, plan)
    low, high = one.low(standard, plan), one.high(standard, plan)
    if one.name == 'final_speed' and standard.examines(landing):
        limits = standard.tolerance(landing)
        low = None if limits.speed_below_kt is None else -limits.speed_below_kt
        high = limits.speed_above_kt
    marks, slight = seen
    of_this = [mark for mark in one.marks if mark in marks]
    is_marked = bool(of_this)
    verdict: Verdict = _verdict(off, low, high)
    if is_marked:
        verdict = 'near' if all(mark in slight for mark in of_this) else 'fail'
    if one.task == 'rollout' and verdict == 'fail':
        verdict = 'near'  # how hard to brake is the pilot's to choose
    return Point(
        task=one.task,
        name=one.name,
        label=_BOOK.say(f'label_{one.name}'),
        value=None if off is None else round(off[0], 1),
        half_width=None if off is None else round(off[1], 1),
        unit=one.unit,
        limit=_limit_words(low, high, one.unit),
        low=None if low is None or low < -FREE else low,
        high=None if high is None or high > FREE else high,
        is_own=one.is_own,
        verdict=verdict,
        is_marked=is_marked,
        weight=weight,
        points=None if verdict == 'unknown' else weight * _CREDIT[verdict],
    )


def _verdict(off: tuple[float, float] | None, low: float | None, high: float | None) -> Verdict:
    """Within, near or beyond; unknown where the figure, or the limit on its side, is not known."""
    if off is None:
        return 'unknown'
    value, half = off
    limit = high if value > 0 else low
    if limit is None:
        return 'unknown'
    over = abs(value) - abs(limit)
    return 'pass' if over <= 0 else 'near' if over <= half else 'fail'


def _limit_words(low: float | None, high: float | None, unit: str) -> Sentence | None:
    if low is None and high is None:
        return None
    above = None if high is None else as_given(high, _UNITS[unit])
    if low is None or low < -FREE:
        return _BOOK.say('unknown') if above is None else _BOOK.say('up_to', above=above)
    if high is None or high > FREE or above is None:
        return _BOOK.say('down_to', below=as_given(-low, _UNITS[unit]))
    if low == -high:
        return _BOOK.say('either_way', above=above)
    return _BOOK.say('about', below=as_given(-low, 'count'), above=above)


def _decision(
    points: list[Point],
    *,
    outcome: Outcome,
    marks: Collection[str],
    went_around: WentAround | None,
    beyond: Beyond | None,
) -> tuple[Verdict, Sentence | None]:
    """Landing from a broken gate, or behind the go-around point, is a fault; a go-around never is."""
    if outcome in ('low_approach', 'drill'):
        return 'unknown', None
    gate = {one.verdict for one in points if one.name in _GATE and not one.is_marked}
    is_broken = 'gate_not_met' in marks or 'fail' in gate
    if outcome in NOT_LANDED:
        why = None if went_around is None else went_around.why
        if why is not None and why != 'other':
            return 'pass', _BOOK.say(f'why_{why}')
        return 'pass', _BOOK.say('around_broken' if is_broken else 'around_free')
    if is_broken:
        return 'fail', _BOOK.say('landed_broken')
    if beyond is not None and beyond.feet > beyond.half_ft:
        return 'fail', _BOOK.say('landed_late', beyond=feet(beyond.feet, step=10.0))
    if gate - {'unknown'}:
        return 'pass', _BOOK.say('landed_stable')
    return 'unknown', _BOOK.say('stable_unknown')


# Sentences of a deviation to either side; one that stands alone has one side only
_SIDES: dict[str, tuple[str, str]] = {
    'liftoff': ('liftoff_late', 'liftoff_early'),
    'climb_speed': ('climb_speed_fast', 'climb_speed_slow'),
    'altitude': ('altitude_high', 'altitude_low'),
    'downwind_speed': ('downwind_speed_fast', 'downwind_speed_slow'),
    'downwind_track': ('downwind_track_out', 'downwind_track_in'),
    'spacing': ('spacing_wide', 'spacing_tight'),
    'path': ('path_high', 'path_low'),
    'final_centreline': ('final_centreline_right', 'final_centreline_left'),
    'final_speed': ('final_speed_fast', 'final_speed_slow'),
}
_BY_WIND = ('climb_speed', 'downwind_speed', 'final_speed')  # from a groundspeed, by a wind
_WITHOUT_LIMIT = (
    *('liftoff_early', 'first_turn', 'downwind_track_out', 'downwind_track_in', 'spacing_wide', 'spacing_tight'),
    'overshoot',
)


def _late_fault(went_around: WentAround | None) -> tuple[Fault, ...]:
    """A go-around that came late was right all the same, and is told."""
    if went_around is None or went_around.when != 'late':
        return ()
    return (Fault(name='came_late', size=0.0, words=_BOOK.say('came_late')),)


def _faults(points: list[Point], decision: Verdict, words: Sentence | None, plan: WorkedOut) -> tuple[Fault, ...]:
    """What was not within limits, gravest first."""
    found = []
    if decision == 'fail' and words is not None:
        found.append(Fault(name='decision', size=0.0, words=words))
    for one in sorted((one for one in points if one.verdict == 'fail' and one.name in _GRAVE), key=_gravity):
        found.append(Fault(name=one.name, size=abs(known_or(one.value, 0.0)), words=_fault_words(one, plan)))
    return tuple(found)


def _fault_words(one: Point, plan: WorkedOut) -> Sentence:
    if one.is_marked or one.value is None:
        return _BOOK.say('marked', label=one.label)
    sides = _SIDES.get(one.name, (one.name, one.name))
    name = sides[0] if one.value > 0 else sides[1]
    value = _amount(abs(one.value), one.unit)
    if name in _WITHOUT_LIMIT:
        return _BOOK.say(name, value=value)
    limit = one.high if one.value > 0 else one.low
    most = _amount(abs(known_or(limit, 0.0)), one.unit)
    if one.name not in _BY_WIND:
        return _BOOK.say(name, value=value, limit=most)
    by = plan.wind_by if one.task == 'final' else plan.wind_aloft_by
    return _BOOK.say(name, value=value, limit=most, wind=_BOOK.say(f'wind_{by}'))


def _amount(value: float, unit: str) -> Quantity:
    return Quantity(value, _UNITS[unit], 10.0 if unit == 'ft' and value >= 100 else 1.0)


_UNITS: dict[str, Unit] = {'%': 'pct', 'ft': 'ft', 'kt': 'kt', '°': 'deg'}


def _gravity(point: Point) -> int:
    return _GRAVE.index(point.name)


def _not_measured(points: list[Point]) -> Sentence | None:
    """Tasks of which nothing was measured or marked, and what would tell them."""
    unseen = [
        str(_BOOK.say(f'the_{task}'))
        for task in ('takeoff', 'pattern', 'final')
        if (of := [one for one in points if one.task == task]) and all(one.value is None for one in of)
    ]
    return _BOOK.say('not_measured', names=', '.join(unseen)) if unseen else None
