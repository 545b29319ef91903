"""What of the rest of a lap is judged, and how far off its plan or its limit each was."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Literal

from bullseye.core.basis.kinds import LandingKind
from bullseye.core.basis.unknown import known_or
from bullseye.core.given.standards import PatternLimits, SpeedLimits, Standard
from bullseye.core.measure.around import Around, GateFlown, WorkedOut

Task = Literal['takeoff', 'pattern', 'final', 'rollout', 'decision']
TASKS: tuple[Task, ...] = ('takeoff', 'pattern', 'final', 'rollout', 'decision')

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
_READ_HALF_KT = 2.0  # [own] of a speed that was read from the dial
_LIFTOFF_HALF_FT = 60.0  # [own] where nothing better is told
# A power-off or slipped final is flown by another rule, and changes on purpose [com]
NO_STEADY_FINAL: tuple[LandingKind, ...] = ('power_off', 'forward_slip')


@dataclass(frozen=True, slots=True, kw_only=True)
class Measure:
    """How one thing is read from a lap: its deviation, how well it is known, and the limits either way."""

    task: Task
    name: str
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
    """As a track measured it below the gate; else as it was called at the gate."""
    measured = _furthest([one.above_path_ft for one in _low_gates(around, plan)], _PATH_HALF_FT)
    if measured is None and around.gate_height_off_ft is not None:
        return around.gate_height_off_ft, _HEIGHT_HALF_FT
    return measured


def _final_centreline(around: Around, plan: WorkedOut) -> tuple[float, float] | None:
    return _furthest([one.lateral_ft for one in _low_gates(around, plan)], _LATERAL_HALF_FT)


def _steady(around: Around, plan: WorkedOut) -> tuple[float, float] | None:
    speeds = [one.groundspeed_kt for one in _low_gates(around, plan)]
    return (max(speeds) - min(speeds), _STEADY_HALF_KT) if len(speeds) > 1 else None


def _final_speed(around: Around, plan: WorkedOut) -> tuple[float, float] | None:
    """As it was read at the gate; else over the ground, by the wind."""
    if around.gate_speed_kias is not None and plan.approach_kias is not None:
        return around.gate_speed_kias - plan.approach_kias, _READ_HALF_KT
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
FREE = 1e8  # [own] beyond it stands a side on which nothing is asked for
# [own] no limit at all
_FREE_LOW, _FREE_HIGH = _fixed(-10 * FREE), _fixed(10 * FREE)


def _climb(standard: Standard) -> SpeedLimits | None:
    return standard.climb


def _pattern(standard: Standard) -> PatternLimits | None:
    return standard.pattern


def _most_bank(_standard: Standard, plan: WorkedOut) -> float:
    return max(_BANK_DEG, known_or(plan.bank_deg, 0.0) + _BANK_OVER_DEG)


# In the order in which they are flown
MEASURES: tuple[Measure, ...] = (
    Measure(
        task='takeoff',
        name='liftoff',
        unit='%',
        marks=('rotated_early', 'rotated_late'),
        off=lambda a, p: _share(a.liftoff_ft, p.liftoff_ft, known_or(a.liftoff_half_ft, _LIFTOFF_HALF_FT)),
        low=_fixed(-_LIFTOFF_PCT),
        high=_fixed(_LIFTOFF_PCT),
    ),
    Measure(
        task='takeoff',
        name='takeoff_centreline',
        unit='ft',
        marks=('takeoff_off_centreline',),
        off=lambda a, _: _plain(a.takeoff_lateral_ft, _LATERAL_HALF_FT),
        low=_fixed(-_TAKEOFF_CENTRELINE_FT),
        high=_fixed(_TAKEOFF_CENTRELINE_FT),
    ),
    Measure(
        task='takeoff',
        name='climb_speed',
        unit='kt',
        marks=(),
        off=lambda a, p: _difference(a.climb_groundspeed_kt, p.climb_groundspeed_kt, _SPEED_HALF_KT, by=p.density_root),
        low=_of(_climb, 'speed_below_kt', -1.0),
        high=_of(_climb, 'speed_above_kt', 1.0),
        is_own=False,
    ),
    Measure(
        task='takeoff',
        name='first_turn',
        unit='ft',
        marks=(),
        off=lambda a, p: _difference(a.first_turn_height_ft, p.first_turn_height_ft, _HEIGHT_HALF_FT),
        low=_fixed(-_FIRST_TURN_LOW_FT),
        high=_FREE_HIGH,
    ),
    Measure(
        task='pattern',
        name='altitude',
        unit='ft',
        marks=('tpa_not_held',),
        off=lambda a, _: _plain(a.pattern_height_error_ft, _HEIGHT_HALF_FT),
        low=_of(_pattern, 'altitude_ft', -1.0),
        high=_of(_pattern, 'altitude_ft', 1.0),
        is_own=False,
    ),
    Measure(
        task='pattern',
        name='downwind_speed',
        unit='kt',
        marks=('fast_downwind', 'slow_downwind'),
        off=lambda a, p: _difference(
            a.downwind_groundspeed_kt, p.downwind_groundspeed_kt, _SPEED_HALF_KT, by=p.density_root
        ),
        low=_of(_pattern, 'speed_below_kt', -1.0),
        high=_of(_pattern, 'speed_above_kt', 1.0),
        is_own=False,
    ),
    Measure(
        task='pattern',
        name='downwind_track',
        unit='°',
        marks=(),
        off=lambda a, _: _plain(a.downwind_off_deg, _TRACK_HALF_DEG),
        low=_fixed(-_TRACK_DEG),
        high=_fixed(_TRACK_DEG),
    ),
    Measure(
        task='pattern',
        name='spacing',
        unit='%',
        marks=('wide', 'tight'),
        off=lambda a, p: _share(a.spacing_ft, p.spacing_ft, _SPACING_HALF_FT),
        low=_fixed(-_SPACING_PCT),
        high=_fixed(_SPACING_PCT),
    ),
    Measure(
        task='pattern',
        name='bank',
        unit='°',
        marks=('over_banked',),
        off=lambda a, _: _plain(a.most_bank_deg, _BANK_HALF_DEG),
        low=_FREE_LOW,
        high=_most_bank,
    ),
    Measure(
        task='pattern',
        name='overshoot',
        unit='ft',
        marks=('overshot_final',),
        off=lambda a, _: _plain(a.overshoot_ft, _LATERAL_HALF_FT),
        low=_FREE_LOW,
        high=_fixed(_OVERSHOOT_FT),
    ),
    Measure(
        task='final',
        name='path',
        unit='ft',
        marks=('flat', 'steep'),
        off=_path,
        low=_fixed(-_PATH_FT),
        high=_fixed(_PATH_FT),
    ),
    Measure(
        task='final',
        name='final_centreline',
        unit='ft',
        marks=(),
        off=_final_centreline,
        low=_fixed(-_FINAL_CENTRELINE_FT),
        high=_fixed(_FINAL_CENTRELINE_FT),
    ),
    Measure(
        task='final',
        name='steady',
        unit='kt',
        marks=(),
        off=_steady,
        low=_FREE_LOW,
        high=_fixed(_STEADY_KT),
    ),
    Measure(
        task='final',
        name='final_speed',
        unit='kt',
        marks=('fast_final', 'slow_final'),
        off=_final_speed,
        low=_NO,  # the approach speed of the landing's own kind, put in below
        high=_NO,
        is_own=False,
    ),
    Measure(
        task='rollout',
        name='rollout',
        unit='%',
        marks=(),
        off=lambda a, p: _share(a.rollout_ft, p.rollout_ft, _LIFTOFF_HALF_FT),
        low=_FREE_LOW,
        high=_fixed(_ROLLOUT_PCT),
    ),
)
