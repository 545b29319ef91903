"""The takeoff: how much runway it takes, where to give up, and what is cleared."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from bullseye.core.basis.constants import (
    ABORT_RUNWAY_SHARE,
    ABORT_SPEED_SHARE,
    ENGINE_OUT_SECTOR_DEG,
    FIRST_TURN_AGL_FT,
    FIRST_TURN_BELOW_TPA_FT,
    LEAST_CLIMB_MARGIN,
    LEAST_MARGIN_SHARE,
    OBSTACLE_MARGIN_FT,
)
from bullseye.core.basis.errors import OutsideTable
from bullseye.core.basis.kinds import CorrectionSet, TakeoffKind
from bullseye.core.basis.sentence import (
    Caution,
    Phrasebook,
    Sentence,
    count,
    feet,
    gravest_first,
    knots,
    lacking,
    to_spare,
    told_apart,
)
from bullseye.core.fly.takeoffrun import (
    Corrected,
    LiftOffSchool,
    Run,
    TakeoffTask,
    abort_point_ft,
    corrected_by_set,
    run_of,
)
from bullseye.core.given.aircraft import Aircraft
from bullseye.core.given.airfield import RunwayEnd
from bullseye.core.model.speeds import stall_margin

_BOOK = Phrasebook('takeoff')


@dataclass(frozen=True, slots=True, kw_only=True)
class EnginePhase:
    """What to do when the engine stops in one phase of the takeoff."""

    phase: Sentence
    words: Sentence


@dataclass(frozen=True, slots=True, kw_only=True)
class TakeoffAnswer:
    """One takeoff, briefed; places are feet from where the roll begins, the paved start. None is unknown."""

    kind: TakeoffKind
    runway_available_ft: float
    correction_set: CorrectionSet
    ground_roll_ft: float | None
    over_50_ft_ft: float | None
    by_set: tuple[Corrected, ...]
    lift_off: tuple[LiftOffSchool, ...]
    lift_off_speed_kias: float | None
    vx_kias: float | None
    vy_kias: float | None
    abort_point_ft: float
    abort_speed_kias: float | None
    expected_at_abort_speed_ft: float | None
    roll_margin_ft: float | None
    over_50_margin_ft: float | None
    obstacle_clearance_ft: float | None
    clears_obstacle: bool | None  # by the least we call good; None: nothing stands there, or it is unknown
    first_turn_ft: float  # above sea level
    engine_out_sector_deg_mag: tuple[float, float]
    engine_failure: tuple[EnginePhase, ...]
    steps: tuple[Sentence, ...]
    cautions: tuple[Caution, ...]  # gravest first


def _steps(kind: TakeoffKind, aircraft: Aircraft) -> tuple[Sentence, ...]:
    """The steps of a takeoff in this aircraft: no flap and no nosewheel that it does not have."""
    about = {
        'flap': 'yes' if aircraft.has_flap else 'no',
        'wheel': 'tail' if aircraft.particulars.has_tailwheel else 'nose',
    }
    names = [f'{kind}_step_{number}' for number in (1, 2, 3)]
    if aircraft.particulars.propeller == 'variable':
        names.insert(0, 'propeller_step')
    return tuple(_BOOK.say(name, **{one: about[one] for one in _BOOK.takes(name)}) for name in names)


def _engine_failure(sector: tuple[float, float]) -> tuple[EnginePhase, ...]:
    left_deg, right_deg = (round(deg) % 360 or 360 for deg in sector)
    return (
        EnginePhase(phase=_BOOK.say('on_the_runway'), words=_BOOK.say('idle')),
        EnginePhase(phase=_BOOK.say('runway_left'), words=_BOOK.say('land_ahead')),
        EnginePhase(
            phase=_BOOK.say('no_runway_left'),
            words=_BOOK.say('land_about_the_nose', left=f'{left_deg:03.0f}', right=f'{right_deg:03.0f}'),
        ),
    )


def _ground_cautions(task: TakeoffTask, run: Run) -> list[Caution]:
    """What the surface and the technique leave out of the figures."""
    said = []
    if task.kind == 'soft_field' or task.runway.surface == 'grass':
        said.append(Caution('mind', _BOOK.say('soft_ground')))
    is_long = run.over_50_ft is not None and task.runway.length_ft - run.over_50_ft > run.over_50_ft
    if task.kind != 'short_field' and run.by_set and not is_long:
        said.append(Caution('mind', _BOOK.say('short_technique')))
    return said


def _speed_cautions(task: TakeoffTask, run: Run) -> list[Caution]:
    """Lift-off and climb speeds too near the stall. Source: [pub: 14 CFR 23.51 before 1996, value from memory]."""
    aircraft = task.aircraft
    flap = aircraft.climb_flap
    said = []
    if run.lift_off_kias is not None and stall_margin(flap, run.lift_off_kias, root=task.weight_root) < 1 - 1e-9:
        stall_kias = flap.airspeed_table.indicated_kt(flap.stall_kcas * task.weight_root)
        speed, stall = told_apart(knots(run.lift_off_kias), knots(stall_kias))
        said.append(Caution('stop', _BOOK.say('below_stall', speed=speed, stall=stall, flap=flap.name)))
    vx_kias = _climb_kias(task, 'vx_kias')
    if vx_kias is not None:
        margin = stall_margin(flap, vx_kias, root=task.weight_root)
        if margin < LEAST_CLIMB_MARGIN - 1e-9:
            ratio, least = told_apart(count(margin, step=0.01), count(LEAST_CLIMB_MARGIN, step=0.01))
            near = _BOOK.say('vx_near_stall', speed=knots(vx_kias), ratio=ratio, flap=flap.name, least=least)
            said.append(Caution('mind', near))
    return said


def _climb_kias(task: TakeoffTask, name: Literal['vx_kias', 'vy_kias']) -> float | None:
    """Vx or Vy at this weight, or as the instructor set it."""
    set_kias: float | None = getattr(task.as_set, name)
    printed_kias: float | None = getattr(task.aircraft, name)
    if set_kias is not None or printed_kias is None:
        return set_kias
    return printed_kias * task.weight_root


def _first_turn_ft(task: TakeoffTask) -> float:
    """Height of the first turn above sea level [ft]."""
    if task.as_set.first_turn_height_ft is not None:
        return task.runway.elevation_ft + task.as_set.first_turn_height_ft
    if task.technique.first_turn == 'tpa_less_300':
        return task.pattern_altitude_ft - FIRST_TURN_BELOW_TPA_FT
    return task.runway.elevation_ft + FIRST_TURN_AGL_FT


def brief_takeoff(task: TakeoffTask) -> TakeoffAnswer:
    """Work out one takeoff; what cannot be computed is None and has its reason among the cautions."""
    runway = task.runway
    cautions: list[Caution] = []
    by_set: tuple[Corrected, ...] = ()
    try:
        by_set = corrected_by_set(task)
    except OutsideTable as error:
        cautions.append(Caution('mind', _BOOK.say('no_distance', why=error.reason)))
    run = run_of(task, by_set)
    if run.over_50_ft is not None:
        cautions += (
            too_short(runway, run.over_50_ft)
            if run.roll_ft is None
            else _margins(task, run.roll_ft, run.over_50_ft, run.clearance_ft)
        )
    cautions += _ground_cautions(task, run)
    cautions += _speed_cautions(task, run)
    course = runway.course_deg_mag
    sector = ((course - ENGINE_OUT_SECTOR_DEG) % 360, (course + ENGINE_OUT_SECTOR_DEG) % 360)
    return TakeoffAnswer(
        kind=task.kind,
        runway_available_ft=runway.length_ft,
        correction_set=task.technique.correction_set,
        ground_roll_ft=run.roll_ft,
        over_50_ft_ft=run.over_50_ft,
        by_set=by_set,
        lift_off=run.lift_off,
        lift_off_speed_kias=run.lift_off_kias,
        vx_kias=_climb_kias(task, 'vx_kias'),
        vy_kias=_climb_kias(task, 'vy_kias'),
        abort_point_ft=abort_point_ft(task),
        abort_speed_kias=None if run.lift_off_kias is None else ABORT_SPEED_SHARE * run.lift_off_kias,
        expected_at_abort_speed_ft=None if run.roll_ft is None else ABORT_SPEED_SHARE**2 * run.roll_ft,
        roll_margin_ft=None if run.roll_ft is None else runway.length_ft - run.roll_ft,
        over_50_margin_ft=None if run.over_50_ft is None else runway.length_ft - run.over_50_ft,
        obstacle_clearance_ft=run.clearance_ft,
        clears_obstacle=None if run.clearance_ft is None else run.clearance_ft >= OBSTACLE_MARGIN_FT - 1e-6,
        first_turn_ft=_first_turn_ft(task),
        engine_out_sector_deg_mag=sector,
        engine_failure=_engine_failure(sector),
        steps=_steps(task.kind, task.aircraft),
        cautions=gravest_first(cautions),
    )


def too_short(runway: RunwayEnd, over_ft: float) -> list[Caution]:
    """What is to be said of the runway left at 50 ft; nothing when more than a third of the distance is left."""
    left_ft = runway.length_ft - over_ft
    if left_ft < 0:
        return [Caution('stop', _BOOK.say('no_margin_to_50', more=lacking(left_ft)))]
    if left_ft < over_ft * LEAST_MARGIN_SHARE:
        return [Caution('mind', _BOOK.say('little_margin', left=to_spare(left_ft), over=feet(over_ft)))]
    return []


def _margins(task: TakeoffTask, roll_ft: float, over_ft: float, clearance_ft: float | None) -> list[Caution]:
    said, runway = [], task.runway
    if roll_ft > runway.length_ft:
        said.append(Caution('stop', _BOOK.say('no_margin', more=lacking(runway.length_ft - roll_ft))))
    else:
        said += too_short(runway, over_ft)
    point_ft = abort_point_ft(task)
    if roll_ft * ABORT_SPEED_SHARE**2 > point_ft:
        late = _BOOK.say('late') if task.as_set.abort_point_ft is None else _BOOK.say('late_for', place=feet(point_ft))
        said.append(Caution('stop', late))
    if point_ft > ABORT_RUNWAY_SHARE * runway.length_ft + 1e-6:
        said.append(Caution('mind', _BOOK.say('abort_late', place=feet(point_ft))))
    if clearance_ft is not None and clearance_ft < OBSTACLE_MARGIN_FT - 1e-6:
        clearance, least = told_apart(feet(abs(clearance_ft)), feet(OBSTACLE_MARGIN_FT))
        way = 'over_obstacle' if clearance_ft >= 0 else 'below_obstacle'
        said.append(Caution('stop', _BOOK.say(way, clearance=clearance, least=least)))
    return said
