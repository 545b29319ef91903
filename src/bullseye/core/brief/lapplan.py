"""The laps of a lesson in order: as many as time, fuel and daylight allow, using the wind for what it is good for."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Annotated

from annotated_types import Ge, Le
from pydantic import Field

from bullseye.core.basis.kinds import ExerciseKind, LandingKind
from bullseye.core.basis.limits import BookedMin, FuelGal, SpotFt
from bullseye.core.basis.quantity import STORABLE, Checked, Name, Real
from bullseye.core.basis.sentence import (
    Phrasebook,
    Quantity,
    Sentence,
    count,
    feet,
    joined,
    knots,
    per_cent,
    told_apart,
)
from bullseye.core.basis.unknown import known_or

# [own]
_AROUND_MIN = 14.0  # [own] start-up, taxi, run-up and taxi back of a lesson
_MOST_LAPS = 10  # [own] beyond it learning stops
_SETTLED_LAPS = 3  # [own] before these a record says nothing
_STALE_DAYS = 30
_SPOT_STEP_FT = 150.0
_SPOT_STEPS = (0, 1, -1, 2, 0.5, -0.5)
_WEAK_RATE = 0.7  # [own] of laps in the box, below which a kind is practised
_PRECISE: tuple[LandingKind, ...] = ('short_field', 'power_off', 'no_flap')
_WINDY_KT, _CALM_KT, _GUSTY_KT = 5.0, 3.0, 6.0
RESERVE_MIN = 30.0  # [pub: 14 CFR 91.151 by day, from memory]
_BOOK = Phrasebook('lap_plan')


@dataclass(frozen=True, slots=True, kw_only=True)
class KindRecord(Checked):
    """What is on record of a pilot in one kind of landing."""

    landing: LandingKind
    laps: Annotated[int, Ge(0), Le(100_000)]
    hit_rate: Annotated[Real, Ge(0), Le(1)] | None = None
    mean_error_ft: Annotated[Real, Ge(-5_000), Le(5_000)] | None = None
    spread_ft: Annotated[Real, Ge(0), Le(5_000)] | None = None
    days_since: Annotated[Real, Ge(0), Le(36_500)] | None = None
    marks: Annotated[tuple[Name, ...], Field(max_length=2_000)] = ()  # what its laps were marked with


@dataclass(frozen=True, slots=True, kw_only=True)
class LessonTime(Checked):
    """What a lesson is booked for; unknown is left out of the count and said."""

    booked_min: BookedMin = 60.0
    fuel_gal: FuelGal | None = None
    record: Annotated[tuple[KindRecord, ...], Field(max_length=20)] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class PlannedLap(Checked):
    """One lap to fly: what, where, and the one thing to watch."""

    kind: ExerciseKind
    runway: Annotated[str, Field(min_length=1, max_length=4), STORABLE]
    spot_ft: SpotFt | None
    watch: Name
    why: Annotated[str, Field(max_length=200), STORABLE] = ''


@dataclass(frozen=True, slots=True, kw_only=True)
class LapPlan:
    """The laps of a lesson, what limits their number, and what was not known."""

    laps: tuple[PlannedLap, ...]
    lap_s: float
    limited_by: Sentence
    words: Sentence
    notes: tuple[Sentence, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class LapPlanTask:
    """What a lap plan is made for. Winds in knots, None while unknown; spots from the landing threshold."""

    main: LandingKind
    runway: str
    spot_ft: float
    spots_ft: Mapping[LandingKind, tuple[float, float]]  # by kind: between which every aim point and box is good
    lap_s: float
    time: LessonTime
    fuel_burn_gph: float | None
    daylight_min: float | None
    crosswind_kt: float | None
    gust_spread_kt: float
    headwind_kt: float | None
    no_lap: tuple[Sentence, ...] = ()  # why nothing is flown at all: a limit of the wind, the takeoff
    no_landing: tuple[Sentence, ...] = ()  # why the landing of the lesson is not planned
    goes_around: bool = True  # whether a go-around is known to clear what stands beyond the end

    @property
    def possible(self) -> tuple[LandingKind, ...]:
        """Kinds with a spot whose aim point, box and go-around point are good."""
        return tuple(self.spots_ft)


_WATCH: dict[ExerciseKind, str] = {
    'normal': 'speed on final',
    'crosswind': 'no drift at touchdown',
    'short_field': 'one steady path to the aim point',
    'soft_field': 'nosewheel off, power on',
    'power_off': 'height at the 45° and on base',
    'no_flap': 'small roundout, let it float',
    'forward_slip': 'slip out above the roundout',
    'three_point': 'all three wheels together',
    'wheel_landing': 'tail low, pinned at once',
    'go_around': 'level first, flap in stages',
    'low_approach': 'centreline and height, a few feet up',
    'hold_off_drill': 'hold it without sinking through',
}


_INSTEAD: tuple[tuple[ExerciseKind, str], ...] = (
    ('hold_off_drill', 'at altitude: no landing here is good today'),
    ('go_around', 'from a safe height, so that it stays easy'),
)
_MOST_INSTEAD = 4  # [own] drills without a landing tire soon


def _count(task: LapPlanTask) -> tuple[int, Sentence, list[Sentence]]:
    """Laps that fit, what limits them, and what was not known."""
    lap_min, notes = task.lap_s / 60, []
    room = [(max(0.0, task.time.booked_min - _AROUND_MIN), _BOOK.say('booked'))]
    if task.time.fuel_gal is None or task.fuel_burn_gph is None:
        notes.append(_BOOK.say('fuel_unknown'))
    else:
        flying = task.time.fuel_gal / task.fuel_burn_gph * 60 - RESERVE_MIN - _AROUND_MIN
        room.append((max(0.0, flying), _BOOK.say('fuel', reserve=Quantity(RESERVE_MIN, 'min'))))
    if task.daylight_min is None:
        notes.append(_BOOK.say('sunset_unknown'))
    else:
        room.append((max(0.0, task.daylight_min - _AROUND_MIN), _BOOK.say('sunset')))
    minutes, by = min(room, key=lambda one: one[0])
    fits = int(minutes / lap_min + 1e-9)
    if fits > _MOST_LAPS:
        return _MOST_LAPS, _BOOK.say('enough', laps=count(_MOST_LAPS)), notes
    return fits, by, notes


def _record(task: LapPlanTask, kind: LandingKind) -> KindRecord | None:
    return next((one for one in task.time.record if one.landing == kind and one.laps >= _SETTLED_LAPS), None)


def _watch(task: LapPlanTask, kind: LandingKind) -> str:
    """The one thing: a steady error is the aim, a scattered one the speed."""
    known = _record(task, kind)
    if known is None or known.mean_error_ft is None or known.spread_ft is None:
        return _WATCH[kind]
    if abs(known.mean_error_ft) > 2 * known.spread_ft / known.laps**0.5 and abs(known.mean_error_ft) > 60:
        side = 'watch_long' if known.mean_error_ft > 0 else 'watch_short'
        return str(_BOOK.say(side, error=feet(abs(known.mean_error_ft), step=10.0)))
    if known.spread_ft > 120:
        return str(_BOOK.say('watch_speed', spread=feet(known.spread_ft, step=10.0)))
    return _WATCH[kind]


def kinds_wanted(
    main: LandingKind, *, crosswind_kt: float | None, gust_spread_kt: float, record: Sequence[KindRecord]
) -> tuple[LandingKind, ...]:
    """Kinds that a plan of the day could hold, so that no others need be examined."""
    wanted: list[LandingKind] = [main, 'normal', *(one.landing for one in record)]
    if crosswind_kt is not None and abs(crosswind_kt) >= _WINDY_KT:
        wanted.append('crosswind')
    if crosswind_kt is not None and abs(crosswind_kt) < _CALM_KT and gust_spread_kt < _GUSTY_KT:
        wanted += _PRECISE
    return tuple(dict.fromkeys(wanted))


def _by_wind(task: LapPlanTask) -> list[tuple[ExerciseKind, str]]:
    """What the wind of the day is good for."""
    found: list[tuple[ExerciseKind, str]] = []
    crosswind, possible = task.crosswind_kt, task.possible
    if crosswind is not None and abs(crosswind) >= _WINDY_KT and 'crosswind' in possible:
        found.append(('crosswind', str(_BOOK.say('across', wind=knots(abs(crosswind))))))
    if task.gust_spread_kt >= _GUSTY_KT and task.goes_around:
        found.append(('go_around', str(_BOOK.say('gusts', spread=knots(task.gust_spread_kt)))))
    if crosswind is not None and abs(crosswind) < _CALM_KT and task.gust_spread_kt < _GUSTY_KT:
        steady = [kind for kind in _PRECISE if kind in possible and kind != task.main]
        found += [(kind, str(_BOOK.say('steady_air'))) for kind in steady[:1]]
    return found


def _by_record(task: LapPlanTask) -> list[tuple[ExerciseKind, str]]:
    """What is weak or stale on record, weakest first."""
    known = [one for one in task.time.record if one.landing in task.possible and one.landing != task.main]
    untried = [one for one in known if not one.laps]
    scored = [(one.hit_rate, one) for one in known if one.laps and one.hit_rate is not None]
    weak = sorted(((rate, one) for rate, one in scored if rate < _WEAK_RATE), key=lambda pair: pair[0])
    shown = [*untried, *(one for _, one in weak)]
    stale = [one for one in known if known_or(one.days_since, 0.0) > _STALE_DAYS and one not in shown]
    return [
        *((one.landing, str(_BOOK.say('untried'))) for one in untried),
        *((one.landing, str(_BOOK.say('weak', rate=per_cent(rate * 100)))) for rate, one in weak),
        *((one.landing, str(_BOOK.say('stale', days=count(known_or(one.days_since, 0.0))))) for one in stale),
    ]


def _kinds(task: LapPlanTask, count: int) -> list[tuple[ExerciseKind, str]]:
    """Warm-up, the lesson's landing by turns with what wind and record ask for, and a last good one."""
    if not task.possible:
        instead = [one for one in _INSTEAD if task.goes_around or one[0] != 'go_around']
        return [instead[i % len(instead)] for i in range(min(count, _MOST_INSTEAD))]
    lesson = task.main if task.main in task.possible else task.possible[0]
    warm_up: tuple[ExerciseKind, str] = ('normal' if 'normal' in task.possible else lesson, 'warm-up')
    if count <= 1:
        return [warm_up][:count]
    extras = _by_wind(task) + _by_record(task)
    seen: set[ExerciseKind] = {lesson}
    extras = [one for one in extras if not (one[0] in seen or seen.add(one[0]))]  # type: ignore[func-returns-value]
    if count >= 4 and 'go_around' not in seen and task.goes_around:
        extras.insert(1, ('go_around', 'one in every lesson, so that it stays easy'))
    main: tuple[ExerciseKind, str] = (lesson, "the lesson's landing" if lesson == task.main else 'in its place')
    middle: list[tuple[ExerciseKind, str]] = []
    while len(middle) < count - 2:
        middle.append(main if len(middle) % 2 == 0 or not extras else extras.pop(0))
    return [warm_up, *middle, (lesson, 'stop while it is going well')]


def _spot_ft(task: LapPlanTask, kind: ExerciseKind, before_ft: float | None, number: int) -> float | None:
    """A spot for a lap, not that of the lap before, within what is good for its kind; None where it does not land."""
    if kind not in task.spots_ft:
        return None
    low_ft, high_ft = task.spots_ft[kind]  # type: ignore[index]
    steps = _SPOT_STEPS[number % len(_SPOT_STEPS) :] + _SPOT_STEPS[: number % len(_SPOT_STEPS)]
    from_ft = min(max(task.spot_ft, low_ft), high_ft)  # the lesson's own, or the nearest good one
    held = [min(max(from_ft + step * _SPOT_STEP_FT, low_ft), high_ft) for step in steps]
    whole = [round(spot, -1) if low_ft <= round(spot, -1) <= high_ft else spot for spot in held]
    return next((spot for spot in whole if spot != before_ft), whole[0])


def make_lap_plan(task: LapPlanTask) -> LapPlan:
    """Plan the laps of a lesson.

    The order is [own] after [com]: warm up, practise what the day and the record ask for, change the spot every lap, so
    that the skill is not tied to one picture, and stop while it is going well. The instructor reorders and edits.
    Only landings whose aim point, box and go-around point are good are planned; without any, drills that do not land.
    """
    count, limited_by, notes = _count(task)
    if task.no_lap:
        none = joined(*task.no_lap)
        words = joined(_BOOK.say('none'), none)
        return LapPlan(laps=(), lap_s=task.lap_s, limited_by=none, words=words, notes=tuple(notes))
    laps: list[PlannedLap] = []
    seen_kinds: set[ExerciseKind] = set()
    spot_ft: float | None = None
    for kind, why in _kinds(task, count):
        lands = kind in task.spots_ft
        here_ft = _spot_ft(task, kind, spot_ft, sum(lap.spot_ft is not None for lap in laps))
        spot_ft = here_ft if lands else spot_ft
        # what the record says is said once; the laps between watch what the kind asks for
        watch = _watch(task, kind) if lands and kind not in seen_kinds else _WATCH[kind]  # type: ignore[arg-type]
        seen_kinds.add(kind)
        laps.append(PlannedLap(kind=kind, runway=task.runway, spot_ft=here_ft, watch=watch, why=why))
    if task.no_landing:
        instead = _BOOK.say('other' if task.possible else 'instead')
        notes.insert(0, joined(_BOOK.say('no_landing'), *task.no_landing, instead))
    low_ft, high_ft = task.spots_ft.get(task.main, (task.spot_ft, task.spot_ft))
    if not low_ft <= task.spot_ft <= high_ft:
        spot = feet(task.spot_ft)
        spot, low = told_apart(spot, feet(low_ft)) if task.spot_ft < low_ft else (spot, feet(low_ft))
        spot, high = told_apart(spot, feet(high_ft)) if task.spot_ft > high_ft else (spot, feet(high_ft))
        notes.append(_BOOK.say('bad_spot', spot=spot, low=low, high=high))
    landed = [one.spot_ft for one in laps if one.spot_ft is not None]
    if len(set(landed)) < 2 <= len(landed):
        notes.append(_BOOK.say('one_spot'))
    words = _words(task, len(laps), limited_by)
    return LapPlan(laps=tuple(laps), lap_s=task.lap_s, limited_by=limited_by, words=words, notes=tuple(notes))


def _words(task: LapPlanTask, laps: int, limit: Sentence) -> Sentence:
    time = Quantity(task.lap_s / 60, 'min')
    if not laps:
        return _BOOK.say('no_fit', limit=limit)
    if laps == 1:
        return _BOOK.say('one_lap', time=time, limit=limit)
    return _BOOK.say('laps', number=count(laps), time=time, limit=limit)


def own_words(laps: int, worked_out: Sentence) -> Sentence:
    """What is said of laps that the instructor ordered, beside those worked out."""
    own = _BOOK.say('own_one') if laps == 1 else _BOOK.say('own', number=count(laps))
    return joined(own, worked_out)


@dataclass(frozen=True, slots=True, kw_only=True)
class BriefedLap:
    """A planned lap with what to fly; None where it has no touchdown, or its figures are not known."""

    kind: ExerciseKind
    runway: str
    spot_ft: float | None
    watch: str
    why: str
    aim_point_ft: float | None
    approach_kias: float | None
    go_around_point_ft: float | None
    flap: str | None
    problem: Sentence | None = None  # why its aim point or box is not good: then none is given
