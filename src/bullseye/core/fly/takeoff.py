"""The takeoff: how much runway it takes, where to give up, and what is cleared."""

from __future__ import annotations

import math
from dataclasses import dataclass, field
from typing import Literal, get_args

from bullseye.core.basis.constants import (
    ABORT_RUNWAY_SHARE,
    ABORT_SPEED_SHARE,
    CAA_TAILWIND,
    CAA_TAKEOFF_FACTOR,
    CAA_TAKEOFF_GRASS,
    CAA_TAKEOFF_WET_GRASS,
    ENGINE_OUT_SECTOR_DEG,
    FIRST_TURN_AGL_FT,
    FIRST_TURN_BELOW_TPA_FT,
    FPS_PER_KT,
    HEADWIND_CREDIT_PER_KT,
    LEAST_CLIMB_MARGIN,
    LEAST_MARGIN_SHARE,
    OBSTACLE_MARGIN_FT,
    SLOPE_PER_PCT,
    TAILWIND_PENALTY_PER_KT,
    TAKEOFF_GRASS,
)
from bullseye.core.basis.errors import OutsideTable
from bullseye.core.basis.kinds import CorrectionSet, SurfaceState, TakeoffKind
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
from bullseye.core.basis.unknown import known_or
from bullseye.core.given.aircraft import Aircraft
from bullseye.core.given.airfield import RunwayEnd
from bullseye.core.given.technique import Technique
from bullseye.core.model.distances import (
    CorrectedDistance,
    DistanceStep,
    require_known_surface,
    require_usual_tailwind,
    say_distance,
    slope_factor,
    slope_reason,
    wind_reason,
)
from bullseye.core.model.speeds import stall_margin

_BOOK = Phrasebook('takeoff')


@dataclass(frozen=True, slots=True, kw_only=True)
class Corrected:
    """Ground roll and distance over 50 ft [ft] by one set of corrections, with the steps of each."""

    correction_set: CorrectionSet
    ground_roll_ft: float
    over_50_ft_ft: float
    ground_roll_steps: tuple[DistanceStep, ...]
    over_50_ft_steps: tuple[DistanceStep, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class LiftOffSchool:
    """Lift-off by one school: its speed [KIAS], and the ground roll that speed takes [ft]."""

    school: str
    speed_kias: float
    ground_roll_ft: float
    words: Sentence


@dataclass(frozen=True, slots=True, kw_only=True)
class EnginePhase:
    """What to do when the engine stops in one phase of the takeoff."""

    phase: str
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
    steps: tuple[str, ...]
    cautions: tuple[Caution, ...]  # gravest first


def _require_printed(runway: RunwayEnd, headwind_kt: float, surface_state: SurfaceState) -> None:
    require_known_surface(runway, surface_state, what='takeoff roll')
    require_usual_tailwind(headwind_kt)


def corrected(
    *,
    roll_ft: float,
    over_50_ft: float,
    correction_set: CorrectionSet,
    runway: RunwayEnd,
    headwind_kt: float,
    lift_off_ktas: float,
    surface_state: SurfaceState = 'dry',
) -> Corrected:
    """Correct both distances for wind, surface and slope by one set.

    Common practice credits a headwind and does not factor [com]; the other adds a tailwind by its share of the
    lift-off speed, credits neither headwind nor downslope, and ends with a factor
    [pub: UK CAA Safety Sense leaflet on performance, values from memory]. Grass lengthens the ground roll only.

    Wet grass counts by the leaflet in both sets. A slope counts by the longer of the set's rule and of mechanics, by
    which it takes the same acceleration from every roll.

    :raises OutsideTable: in more tailwind, or on a surface or slope, than the rules are printed for
    """
    _require_printed(runway, headwind_kt, surface_state)
    common, leaflet = correction_set == 'common', 'UK CAA leaflet, from memory'
    source = 'common practice' if common else leaflet
    roll = CorrectedDistance(roll_ft, say_distance('table_roll'))
    over = CorrectedDistance(over_50_ft, say_distance('table_over_50'))
    if runway.surface == 'grass':
        dry = TAKEOFF_GRASS if common else CAA_TAKEOFF_GRASS
        is_wet = surface_state == 'wet'
        longer, by_whom = (CAA_TAKEOFF_WET_GRASS, leaflet) if is_wet else (dry, source)
        grass = 'wet_grass' if is_wet else 'dry_grass'
        roll.by(1 + longer, say_distance(grass), by_whom)
        over.by(1 + longer * roll_ft / over_50_ft, say_distance(f'{grass}_roll'), by_whom)
    level_roll_ft: float | None = None
    for one in (roll, over):
        if headwind_kt > 0 and common:
            one.by(max(0.5, 1 - HEADWIND_CREDIT_PER_KT * headwind_kt), wind_reason(headwind_kt), source)
        elif headwind_kt < 0:
            share = -headwind_kt / lift_off_ktas
            factor = 1 - TAILWIND_PENALTY_PER_KT * headwind_kt if common else 1 + CAA_TAILWIND * share
            one.by(factor, wind_reason(headwind_kt), source)
        if runway.slope_pct > 0 or (runway.slope_pct < 0 and common):
            ground_fps = max(1.0, lift_off_ktas - headwind_kt) * FPS_PER_KT
            level_ft = one.distance_ft
            way_ft = known_or(level_roll_ft, level_ft)
            on_roll = slope_factor(roll_ft=way_ft, speed_fps=ground_fps, slope_pct=runway.slope_pct, is_takeoff=True)
            level_roll_ft = way_ft
            sloped_ft = level_ft + way_ft * (on_roll - 1)  # the climb after the roll is no longer
            rule = max(0.5, 1 + SLOPE_PER_PCT * runway.slope_pct)
            one.by(max(rule, sloped_ft / level_ft), slope_reason(runway.slope_pct), source)
        if not common:
            one.by(CAA_TAKEOFF_FACTOR, say_distance('factor'), source)
    return Corrected(
        correction_set=correction_set,
        ground_roll_ft=roll.distance_ft,
        over_50_ft_ft=over.distance_ft,
        ground_roll_steps=tuple(roll.steps),
        over_50_ft_steps=tuple(over.steps),
    )


def obstacle_clearance_ft(*, runway: RunwayEnd, ground_roll_ft: float, over_50_ft: float) -> float | None:
    """Height over the departure obstacle less its height [ft]; None without an obstacle.

    The climb goes on as steeply as from lift-off to 50 ft: that stretch holds the rotation too, so it errs low [own].
    It begins at the height of the runway where it lifts off; the obstacle stands on that of the far end.
    """
    obstacle = runway.departure_obstacle
    if obstacle is None:
        return None
    gradient = 50 / (over_50_ft - ground_roll_ft)
    to_go_ft = runway.length_ft + obstacle.beyond_end_ft - over_50_ft
    rise_ft = runway.slope_pct / 100 * (runway.length_ft - ground_roll_ft)
    return 50 + to_go_ft * gradient - rise_ft - obstacle.height_ft


_STEPS: dict[TakeoffKind, tuple[str, ...]] = {
    'normal': (
        'Look at the approach, line up using the whole runway, keep the picture: it is the one wanted at touchdown.',
        'Full power over about three seconds; engine in the green, airspeed alive, right rudder, heels on the floor.',
        '{at_speed}At lift-off speed let it fly off; climb at Vy.',
    ),
    'crosswind': (
        'Line up on the whole runway, aileron full into the wind.',
        'Full power smoothly; take the aileron off as the speed comes, keep it straight with rudder.',
        'Hold it down a little longer, lift off cleanly, then crab into the wind; never let it settle back sideways.',
    ),
    'short_field': (
        'Use every foot: line up at the very start{flap}.',
        'Brakes held, full power, check the engine, release.',
        'Rotate at the handbook speed, Vx to 50 ft or over the obstacle, then Vy.',
    ),
    'soft_field': (
        'Stick back from before the runway; keep rolling, no stop on soft ground.',
        'Full power smoothly, {lighten}, let it leave the ground as soon as it will.',
        'Stay in ground effect until climb speed; never pull it off and let it settle back.',
    ),
}


def _steps(kind: TakeoffKind, aircraft: Aircraft) -> tuple[str, ...]:
    """The steps of a takeoff in this aircraft: no flap and no nosewheel that it does not have."""
    tail = aircraft.particulars.has_tailwheel
    decided = {
        'flap': ', flap as the handbook says' if aircraft.has_flap else '',
        'lighten': 'the tail just off the ground early' if tail else 'lighten the nosewheel early',
        'at_speed': 'Tail up when the elevator can lift it, more right rudder as it rises. ' if tail else '',
    }
    lever = ('Propeller lever fully forward before the roll.',) if aircraft.particulars.propeller == 'variable' else ()
    return (*lever, *(step.format(**decided) for step in _STEPS[kind]))


def _engine_failure(sector: tuple[float, float]) -> tuple[EnginePhase, ...]:
    left_deg, right_deg = (round(deg) % 360 or 360 for deg in sector)
    return (
        EnginePhase(phase='on the runway', words=_BOOK.say('idle')),
        EnginePhase(phase='airborne, runway left', words=_BOOK.say('land_ahead')),
        EnginePhase(
            phase='airborne, no runway left',
            words=_BOOK.say('land_about_the_nose', left=f'{left_deg:03.0f}', right=f'{right_deg:03.0f}'),
        ),
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class AsSet:
    """Numbers of a takeoff that the instructor set; None is worked out. The height is above the field."""

    over_50_ft: float | None = None
    rotate_kias: float | None = None
    vx_kias: float | None = None
    vy_kias: float | None = None
    abort_point_ft: float | None = None
    first_turn_height_ft: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class TakeoffTask:
    """What a takeoff is worked out for; ``headwind_kt`` is None where nobody has given the wind."""

    kind: TakeoffKind
    aircraft: Aircraft
    runway: RunwayEnd
    weight_lb: float
    pressure_altitude_ft: float
    density_ratio: float
    temperature_c: float
    headwind_kt: float | None
    technique: Technique
    pattern_altitude_ft: float
    surface_state: SurfaceState = 'dry'
    as_set: AsSet = field(default_factory=AsSet)

    @property
    def weight_root(self) -> float:
        """By which speeds change with weight: √(W/Wmax)."""
        return math.sqrt(self.aircraft.weight_ratio(self.weight_lb))


def _by_set(task: TakeoffTask) -> tuple[Corrected, ...]:
    """Both distances by each set of corrections.

    :raises OutsideTable: when the table, or a rule, does not hold them
    """
    table, rotate_kias = task.aircraft.takeoff_table, task.aircraft.rotate_kias
    if table is None or rotate_kias is None:
        raise OutsideTable(_BOOK.say('no_table'))
    if task.headwind_kt is None:
        raise OutsideTable(_BOOK.say('no_wind'))
    roll_ft, over_ft = table.distances_ft(
        pressure_altitude_ft=task.pressure_altitude_ft, temperature_c=task.temperature_c, weight_lb=task.weight_lb
    )
    return tuple(
        corrected(
            roll_ft=roll_ft,
            over_50_ft=over_ft,
            correction_set=name,
            runway=task.runway,
            headwind_kt=task.headwind_kt,
            surface_state=task.surface_state,
            lift_off_ktas=rotate_kias * task.weight_root / math.sqrt(task.density_ratio),
        )
        for name in get_args(CorrectionSet)
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class _Run:
    """The roll and the climb of the technique that is flown; None where they cannot be worked out."""

    by_set: tuple[Corrected, ...]
    lift_off: tuple[LiftOffSchool, ...]
    lift_off_kias: float | None
    roll_ft: float | None
    over_50_ft: float | None
    clearance_ft: float | None


def _run(task: TakeoffTask, by_set: tuple[Corrected, ...]) -> _Run:
    chosen = next((one for one in by_set if one.correction_set == task.technique.correction_set), None)
    schools = _schools(task.aircraft, task.weight_root, chosen)
    flown = next((one for one in schools if one.school == task.technique.lift_off), None)
    if flown is None or chosen is None:
        return _Run(
            by_set=by_set,
            lift_off=schools,
            lift_off_kias=task.as_set.rotate_kias,
            roll_ft=None,
            over_50_ft=task.as_set.over_50_ft,
            clearance_ft=None,
        )
    speed_kias = flown.speed_kias if task.as_set.rotate_kias is None else task.as_set.rotate_kias
    # the roll goes with the square of the speed, as between the schools
    roll_ft = flown.ground_roll_ft * (speed_kias / flown.speed_kias) ** 2
    over_ft = chosen.over_50_ft_ft + roll_ft - chosen.ground_roll_ft
    if task.as_set.over_50_ft is not None:
        over_ft = task.as_set.over_50_ft
    return _Run(
        by_set=by_set,
        lift_off=schools,
        lift_off_kias=speed_kias,
        roll_ft=roll_ft,
        over_50_ft=over_ft,
        clearance_ft=None
        if over_ft <= roll_ft
        else obstacle_clearance_ft(runway=task.runway, ground_roll_ft=roll_ft, over_50_ft=over_ft),
    )


def _ground_cautions(task: TakeoffTask, run: _Run) -> list[Caution]:
    """What the surface and the technique leave out of the figures."""
    said = []
    if task.kind == 'soft_field' or task.runway.surface == 'grass':
        said.append(Caution('mind', _BOOK.say('soft_ground')))
    is_long = run.over_50_ft is not None and task.runway.length_ft - run.over_50_ft > run.over_50_ft
    if task.kind != 'short_field' and run.by_set and not is_long:
        said.append(Caution('mind', _BOOK.say('short_technique')))
    return said


def _speed_cautions(task: TakeoffTask, run: _Run) -> list[Caution]:
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


def abort_point_ft(task: TakeoffTask) -> float:
    """Where the takeoff is given up without the abort speed, from where the roll begins [ft] [com]."""
    set_ft = task.as_set.abort_point_ft
    return ABORT_RUNWAY_SHARE * task.runway.length_ft if set_ft is None else set_ft


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
        by_set = _by_set(task)
    except OutsideTable as error:
        cautions.append(Caution('mind', _BOOK.say('no_distance', why=error.reason)))
    run = _run(task, by_set)
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


def _schools(aircraft: Aircraft, root: float, chosen: Corrected | None) -> tuple[LiftOffSchool, ...]:
    """Both schools of lift-off. The roll goes with the square of the speed: constant acceleration [own]."""
    rotate_kias = aircraft.rotate_kias
    if rotate_kias is None or chosen is None:
        return ()
    fly_off = 'fly_off_tail' if aircraft.particulars.has_tailwheel else 'fly_off'
    fly_off_kias = rotate_kias * root
    longer_ft = chosen.ground_roll_ft * ((rotate_kias / fly_off_kias) ** 2 - 1)
    return (
        LiftOffSchool(
            school='rotate',
            speed_kias=rotate_kias,
            ground_roll_ft=chosen.ground_roll_ft + longer_ft,
            words=_BOOK.say('rotate', speed=knots(rotate_kias), longer=feet(longer_ft))
            if longer_ft >= 1
            else _BOOK.say('rotate_as_flown', speed=knots(rotate_kias)),
        ),
        LiftOffSchool(
            school='fly_off',
            speed_kias=fly_off_kias,
            ground_roll_ft=chosen.ground_roll_ft,
            words=_BOOK.say(fly_off, speed=knots(fly_off_kias)),
        ),
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
