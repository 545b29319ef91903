"""The rest of the lap, judged: takeoff, pattern, final, rollout, and the decision to land or to go around.

Only what was measured or marked is judged. A figure is a fault when it lies beyond its limit by more than it may be
wrong; between the two it is near. A mark by the person in the right seat stands, whatever a track says.
"""

from __future__ import annotations

from collections.abc import Callable, Collection
from dataclasses import dataclass
from typing import Literal

from bullseye.core.basis.kinds import NOT_LANDED, LandingKind, Outcome
from bullseye.core.basis.sentence import Phrasebook, Quantity, Sentence, Unit
from bullseye.core.basis.unknown import known_or
from bullseye.core.explain.scoring import Verdict
from bullseye.core.given.standards import PatternLimits, SpeedLimits, Standard
from bullseye.core.measure.around import Around, GateFlown, WorkedOut

Task = Literal['takeoff', 'pattern', 'final', 'rollout', 'decision']
TASKS: tuple[Task, ...] = ('takeoff', 'pattern', 'final', 'rollout', 'decision')
_CREDIT: dict[Verdict, float] = {'pass': 1.0, 'near': 0.5, 'fail': 0.0}

# Limits where no standard sets a figure [own]; the bank [com]
_LIFTOFF_PCT = 25.0
_TAKEOFF_CENTRELINE_FT = 15.0
_FIRST_TURN_LOW_FT = 100.0
_SPACING_PCT = 25.0
_TRACK_DEG = 10.0
_BANK_DEG, _BANK_OVER_DEG = 30.0, 5.0
_OVERSHOOT_FT = 150.0
_PATH_FT, _FINAL_CENTRELINE_FT, _STEADY_KT = 40.0, 60.0, 6.0
_ROLLOUT_PCT = 30.0
# How well a track tells them, 95 % half-widths on simulated flights [own]; speeds by the wind of the lap
_SPEED_HALF_KT, _HEIGHT_HALF_FT, _BANK_HALF_DEG, _TRACK_HALF_DEG = 5.0, 30.0, 4.0, 4.0
_LATERAL_HALF_FT, _PATH_HALF_FT, _STEADY_HALF_KT, _SPACING_HALF_FT = 10.0, 20.0, 3.0, 100.0
_LIFTOFF_HALF_FT = 60.0  # [own] where nothing better is told
# A power-off or slipped final is flown by another rule, and changes on purpose [com]
_NO_STEADY_FINAL: tuple[LandingKind, ...] = ('power_off', 'forward_slip')

_BOOK = Phrasebook('around')


@dataclass(frozen=True, slots=True, kw_only=True)
class Point:
    """One thing of a lap that is judged. ``half_width`` holds 95 % of what the value may be off by.

    ``limit`` is None where the standard's figure is not known; ``is_own`` where the limit is ours and of no standard.
    """

    task: Task
    name: str
    label: str
    value: float | None
    half_width: float | None
    unit: str
    limit: str | None
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


@dataclass(frozen=True, slots=True, kw_only=True)
class _Measure:
    """How one thing is read from a lap: its deviation, how well it is known, and the limits either way."""

    task: Task
    name: str
    label: str
    unit: str
    marks: tuple[str, ...]
    off: Callable[[Around, WorkedOut], tuple[float, float] | None]
    low: Callable[[Standard, WorkedOut], float | None]
    high: Callable[[Standard, WorkedOut], float | None]
    is_own: bool = True


def _difference(
    flown: float | None, planned: float | None, half: float, *, by: float = 1.0
) -> tuple[float, float] | None:
    return None if flown is None or planned is None else ((flown - planned) * by, half)


def _share(flown: float | None, planned: float | None, half: float) -> tuple[float, float] | None:
    """Per cent off what was worked out."""
    if flown is None or not planned or planned <= 0:
        return None
    return 100 * (flown / planned - 1), 100 * half / planned


def _plain(value: float | None, half: float) -> tuple[float, float] | None:
    return None if value is None else (value, half)


def _low_gates(around: Around, plan: WorkedOut) -> list[GateFlown]:
    """The gates from where on it is to be stable, the threshold left out."""
    return [one for one in around.gates if 50 < one.height_ft <= plan.gate_ft + 1]


def _furthest(values: list[float], half: float) -> tuple[float, float] | None:
    return (max(values, key=abs), half) if values else None


def _path(around: Around, plan: WorkedOut) -> tuple[float, float] | None:
    return _furthest([one.above_path_ft for one in _low_gates(around, plan)], _PATH_HALF_FT)


def _final_centreline(around: Around, plan: WorkedOut) -> tuple[float, float] | None:
    return _furthest([one.lateral_ft for one in _low_gates(around, plan)], _LATERAL_HALF_FT)


def _steady(around: Around, plan: WorkedOut) -> tuple[float, float] | None:
    speeds = [one.groundspeed_kt for one in _low_gates(around, plan)]
    return (max(speeds) - min(speeds), _STEADY_HALF_KT) if len(speeds) > 1 else None


def _final_speed(around: Around, plan: WorkedOut) -> tuple[float, float] | None:
    speeds = [one.groundspeed_kt for one in _low_gates(around, plan)]
    mean = sum(speeds) / len(speeds) if speeds else None
    return _difference(mean, plan.final_groundspeed_kt, _SPEED_HALF_KT, by=plan.density_root)


def _fixed(value: float | None) -> Callable[[Standard, WorkedOut], float | None]:
    return lambda _standard, _plan: value


def _of(
    pick: Callable[[Standard], SpeedLimits | PatternLimits | None], name: str, sign: float
) -> Callable[[Standard, WorkedOut], float | None]:
    """A limit as the standard has it; None where it is not known, or there is no such task."""

    def limit(standard: Standard, _plan: WorkedOut) -> float | None:
        found = pick(standard)
        value: float | None = None if found is None else getattr(found, name)
        return None if value is None else sign * value

    return limit


_NO = _fixed(None)
_FREE = 1e8  # [own] beyond it stands a side on which nothing is asked for
# [own] no limit at all
_FREE_LOW, _FREE_HIGH = _fixed(-10 * _FREE), _fixed(10 * _FREE)


def _climb(standard: Standard) -> SpeedLimits | None:
    return standard.climb


def _pattern(standard: Standard) -> PatternLimits | None:
    return standard.pattern


def _most_bank(_standard: Standard, plan: WorkedOut) -> float:
    return max(_BANK_DEG, known_or(plan.bank_deg, 0.0) + _BANK_OVER_DEG)


# In the order in which they are flown
_MEASURES: tuple[_Measure, ...] = (
    _Measure(
        task='takeoff',
        name='liftoff',
        label='Lift-off point against the calculated one',
        unit='%',
        marks=('rotated_early', 'rotated_late'),
        off=lambda a, p: _share(a.liftoff_ft, p.liftoff_ft, known_or(a.liftoff_half_ft, _LIFTOFF_HALF_FT)),
        low=_fixed(-_LIFTOFF_PCT),
        high=_fixed(_LIFTOFF_PCT),
    ),
    _Measure(
        task='takeoff',
        name='takeoff_centreline',
        label='Off the centreline at lift-off',
        unit='ft',
        marks=('takeoff_off_centreline',),
        off=lambda a, _: _plain(a.takeoff_lateral_ft, _LATERAL_HALF_FT),
        low=_fixed(-_TAKEOFF_CENTRELINE_FT),
        high=_fixed(_TAKEOFF_CENTRELINE_FT),
    ),
    _Measure(
        task='takeoff',
        name='climb_speed',
        label='Speed in the climb',
        unit='kt',
        marks=(),
        off=lambda a, p: _difference(a.climb_groundspeed_kt, p.climb_groundspeed_kt, _SPEED_HALF_KT, by=p.density_root),
        low=_of(_climb, 'speed_below_kt', -1.0),
        high=_of(_climb, 'speed_above_kt', 1.0),
        is_own=False,
    ),
    _Measure(
        task='takeoff',
        name='first_turn',
        label='Height of the first turn against the calculated one',
        unit='ft',
        marks=(),
        off=lambda a, p: _difference(a.first_turn_height_ft, p.first_turn_height_ft, _HEIGHT_HALF_FT),
        low=_fixed(-_FIRST_TURN_LOW_FT),
        high=_FREE_HIGH,
    ),
    _Measure(
        task='pattern',
        name='altitude',
        label='Downwind against pattern altitude',
        unit='ft',
        marks=('tpa_not_held',),
        off=lambda a, _: _plain(a.pattern_height_error_ft, _HEIGHT_HALF_FT),
        low=_of(_pattern, 'altitude_ft', -1.0),
        high=_of(_pattern, 'altitude_ft', 1.0),
        is_own=False,
    ),
    _Measure(
        task='pattern',
        name='downwind_speed',
        label='Speed on downwind',
        unit='kt',
        marks=(),
        off=lambda a, p: _difference(
            a.downwind_groundspeed_kt, p.downwind_groundspeed_kt, _SPEED_HALF_KT, by=p.density_root
        ),
        low=_of(_pattern, 'speed_below_kt', -1.0),
        high=_of(_pattern, 'speed_above_kt', 1.0),
        is_own=False,
    ),
    _Measure(
        task='pattern',
        name='downwind_track',
        label='Downwind running away from the runway',
        unit='°',
        marks=(),
        off=lambda a, _: _plain(a.downwind_off_deg, _TRACK_HALF_DEG),
        low=_fixed(-_TRACK_DEG),
        high=_fixed(_TRACK_DEG),
    ),
    _Measure(
        task='pattern',
        name='spacing',
        label='Downwind spacing against the calculated one',
        unit='%',
        marks=('wide', 'tight'),
        off=lambda a, p: _share(a.spacing_ft, p.spacing_ft, _SPACING_HALF_FT),
        low=_fixed(-_SPACING_PCT),
        high=_fixed(_SPACING_PCT),
    ),
    _Measure(
        task='pattern',
        name='bank',
        label='Steepest bank that was held',
        unit='°',
        marks=('over_banked',),
        off=lambda a, _: _plain(a.most_bank_deg, _BANK_HALF_DEG),
        low=_FREE_LOW,
        high=_most_bank,
    ),
    _Measure(
        task='pattern',
        name='overshoot',
        label='Beyond the centreline turning final',
        unit='ft',
        marks=('overshot_final',),
        off=lambda a, _: _plain(a.overshoot_ft, _LATERAL_HALF_FT),
        low=_FREE_LOW,
        high=_fixed(_OVERSHOOT_FT),
    ),
    _Measure(
        task='final',
        name='path',
        label='Off the path on final',
        unit='ft',
        marks=('flat', 'steep'),
        off=_path,
        low=_fixed(-_PATH_FT),
        high=_fixed(_PATH_FT),
    ),
    _Measure(
        task='final',
        name='final_centreline',
        label='Off the centreline on final',
        unit='ft',
        marks=(),
        off=_final_centreline,
        low=_fixed(-_FINAL_CENTRELINE_FT),
        high=_fixed(_FINAL_CENTRELINE_FT),
    ),
    _Measure(
        task='final',
        name='steady',
        label='Change of speed on final',
        unit='kt',
        marks=(),
        off=_steady,
        low=_FREE_LOW,
        high=_fixed(_STEADY_KT),
    ),
    _Measure(
        task='final',
        name='final_speed',
        label='Speed on final',
        unit='kt',
        marks=(),
        off=_final_speed,
        low=_NO,  # the approach speed of the landing's own kind, put in below
        high=_NO,
        is_own=False,
    ),
    _Measure(
        task='rollout',
        name='rollout',
        label='Rollout against the calculated one',
        unit='%',
        marks=(),
        off=lambda a, p: _share(a.rollout_ft, p.rollout_ft, _LIFTOFF_HALF_FT),
        low=_FREE_LOW,
        high=_fixed(_ROLLOUT_PCT),
    ),
)
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
) -> AroundJudged:
    """Judge the rest of a lap.

    :param around: as a recorded flight measured it; None where there is none
    :param marks: what the person in the right seat marked
    """
    measured = around or Around()
    number = {task: sum(one.task == task for one in _MEASURES) for task in TASKS}
    points = []
    for one in _MEASURES:
        if landing in _NO_STEADY_FINAL and one.task == 'final':
            continue
        if one.task == 'rollout' and outcome != 'full_stop':
            continue
        if one.name in ('takeoff_centreline', 'liftoff', 'climb_speed', 'first_turn') and outcome == 'drill':
            continue
        weight = _weight(standard, one.task) / number[one.task]
        points.append(_point(one, measured, plan, standard, landing, marks, weight))
    decision, words = _decision(points, outcome=outcome, marks=marks)
    if decision != 'unknown':
        weight = standard.weights.decision
        points.append(
            Point(
                task='decision',
                name='decision',
                label='Landing or going around',
                value=None,
                half_width=None,
                unit='',
                limit='stable on final, or around',
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
        faults=_faults(points, decision, words, plan),
        not_measured=_not_measured(points),
    )


def _weight(standard: Standard, task: Task) -> float:
    """Points of a task; the rollout counts with the final."""
    weight: float = standard.weights.final / 4 if task == 'rollout' else getattr(standard.weights, task)
    return weight


def _point(
    one: _Measure,
    around: Around,
    plan: WorkedOut,
    standard: Standard,
    landing: LandingKind,
    marks: Collection[str],
    weight: float,
) -> Point:
    off = one.off(around, plan)
    low, high = one.low(standard, plan), one.high(standard, plan)
    if one.name == 'final_speed' and standard.examines(landing):
        limits = standard.tolerance(landing)
        low = None if limits.speed_below_kt is None else -limits.speed_below_kt
        high = limits.speed_above_kt
    is_marked = any(mark in marks for mark in one.marks)
    verdict: Verdict = 'fail' if is_marked else _verdict(off, low, high)
    if one.task == 'rollout' and verdict == 'fail':
        verdict = 'near'  # how hard to brake is the pilot's to choose
    return Point(
        task=one.task,
        name=one.name,
        label=one.label,
        value=None if off is None else round(off[0], 1),
        half_width=None if off is None else round(off[1], 1),
        unit=one.unit,
        limit=_limit_words(low, high, one.unit),
        low=None if low is None or low < -_FREE else low,
        high=None if high is None or high > _FREE else high,
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


def _limit_words(low: float | None, high: float | None, unit: str) -> str | None:
    if low is None and high is None:
        return None
    space = '' if unit in ('°', '%') else ' '
    if low is None or low < -_FREE:
        return 'unknown' if high is None else f'up to {high:.0f}{space}{unit}'
    if high is None or high > _FREE:
        return f'down to −{-low:.0f}{space}{unit}'
    return f'±{high:.0f}{space}{unit}' if low == -high else f'−{-low:.0f} to +{high:.0f}{space}{unit}'


def _decision(points: list[Point], *, outcome: Outcome, marks: Collection[str]) -> tuple[Verdict, Sentence | None]:
    """Landing from a broken gate is the one fault; a go-around never is."""
    if outcome in ('low_approach', 'drill'):
        return 'unknown', None
    gate = {one.verdict for one in points if one.name in _GATE and not one.is_marked}
    is_broken = 'gate_not_met' in marks or 'fail' in gate
    if outcome in NOT_LANDED:
        return 'pass', _BOOK.say('around_broken' if is_broken else 'around_free')
    if is_broken:
        return 'fail', _BOOK.say('landed_broken')
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
    names = {'takeoff': 'the takeoff', 'pattern': 'the pattern', 'final': 'the final'}
    unseen = [
        words
        for task, words in names.items()
        if (of := [one for one in points if one.task == task]) and all(one.value is None for one in of)
    ]
    return _BOOK.say('not_measured', names=', '.join(unseen)) if unseen else None
