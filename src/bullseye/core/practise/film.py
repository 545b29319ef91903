"""A whole approach as poses: final, roundout, hold-off, touchdown and the first of the rollout, 30 a second.

The path is that of the one touchdown model, so that a film agrees with the brief of the same request. What a pilot does
otherwise is given as values. Attitudes are for the picture alone [own]: they follow from the lift that is needed.
"""

from __future__ import annotations

import dataclasses
import math
from dataclasses import dataclass, field
from typing import Annotated, Literal

import numpy as np
from annotated_types import Ge, Gt, Le
from numpy.typing import NDArray

from bullseye.core.air.atmosphere import true_airspeed_kt
from bullseye.core.basis.constants import FPS_PER_KT, FT_PER_NM, GRAVITY_FPS2, HOLD_OFF_HEIGHT_FT
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.quantity import Checked, Real
from bullseye.core.basis.unknown import known_or
from bullseye.core.brief.aiming import recommended_aim_ft
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import LandingSetup, landing_setup
from bullseye.core.model.touchdown import Approach, Touchdown, arc_of, comes_down, predict, share_of_report

Floats = NDArray[np.float64]
Phase = Literal['final', 'roundout', 'hold_off', 'drop', 'rollout']
Moment = Literal['threshold', 'roundout', 'hold_off', 'balloon', 'drop', 'touchdown']

_STEP_S = 1 / 300  # [own] of the motion, of which every tenth or so is shown
_ROLLOUT_S, _ROLLING_FPS2 = 2.0, 5.0  # [own] shown after the touch
_DROP_FPS2 = 0.3 * GRAVITY_FPS2  # [own] with which it falls from a hold-off that ended high
_LIFT_AT_TOUCH_DEG, _INCIDENCE_DEG = 14.0, 6.0  # [own] angle of attack near the stall, and what of it is not attitude
_STRAIGHTEN_S = 2.5  # [own] over which the crab is taken out before the touch
_GUST_KT, _GUST_S, _SWAY_FT, _SWAY_BANK_DEG = 2.0, 4.0, 8.0, 3.0  # [own] of the unrest on final
_HIGHEST_FT = 60.0  # [own] of the wheels, over which the unrest comes up


@dataclass(frozen=True, slots=True, kw_only=True)
class Pilot(Checked):
    """What a pilot does otherwise than briefed; nothing as it stands.

    ``hold_off_height_ft`` is where it was levelled off, ``load_factor`` how hard it was pulled (None: as usual),
    ``power_share`` what is left of the deceleration with power on, ``balloon_ft`` how far it rose again, ``let_go_kt``
    by how much too fast it touched; ``crab_left_deg`` what of the crab was left in, ``drift_kt`` to the right.
    """

    speed_off_kt: Annotated[Real, Ge(-15), Le(30)] = 0.0
    aim_off_ft: Annotated[Real, Ge(-2_000), Le(2_000)] = 0.0
    path_off_deg: Annotated[Real, Ge(-2), Le(4)] = 0.0
    hold_off_height_ft: Annotated[Real, Ge(0.5), Le(40)] = HOLD_OFF_HEIGHT_FT
    load_factor: Annotated[Real, Gt(1.02), Le(1.6)] | None = None
    power_share: Annotated[Real, Ge(0.2), Le(1)] = 1.0
    let_go_kt: Annotated[Real, Ge(0), Le(20)] = 0.0
    balloon_ft: Annotated[Real, Ge(0), Le(20)] = 0.0
    lateral_ft: Annotated[Real, Ge(-300), Le(300)] = 0.0
    crab_left_deg: Annotated[Real, Ge(-20), Le(20)] = 0.0
    drift_kt: Annotated[Real, Ge(-10), Le(10)] = 0.0


@dataclass(frozen=True, slots=True, kw_only=True)
class FilmRequest(Checked):
    """One film: what is flown, how, from how far out, and its unrest by a seed; without one the air is still."""

    brief: BriefRequest
    pilot: Pilot = field(default_factory=Pilot)
    from_nm: Annotated[Real, Ge(0.1), Le(3)] = 0.75
    pictures_a_second: Annotated[Real, Ge(1), Le(60)] = 30.0
    seed: Annotated[int, Ge(0), Le(2**31 - 1)] | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Event:
    """Something that happens: when, where along the runway, and how high the wheels are over it."""

    what: Moment
    time_s: float
    along_ft: float
    wheels_ft: float
    speed_kias: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Truth:
    """What the film is of, from the landing threshold [ft]. ``model_touchdown_ft`` is what the brief would say."""

    aim_point_ft: float
    path_angle_deg: float
    roundout_height_ft: float
    roundout_start_ft: float
    hold_off_start_ft: float
    touchdown_ft: float
    touchdown_lateral_ft: float
    float_ft: float
    float_s: float
    threshold_height_ft: float | None  # of the wheels; None where the film begins beyond the threshold
    threshold_speed_kias: float | None
    touchdown_speed_kias: float
    sink_fpm: float
    dropped_from_ft: float  # 0: it was held off down to the runway
    model_touchdown_ft: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Film:
    """Poses as arrays of one length: places from the landing threshold [ft], attitudes [°], speeds [kt]."""

    time_s: tuple[float, ...]
    along_ft: tuple[float, ...]
    lateral_ft: tuple[float, ...]
    wheels_ft: tuple[float, ...]  # over the surface
    eye_height_ft: tuple[float, ...]  # of the eyes over the threshold
    heading_off_deg: tuple[float, ...]
    pitch_deg: tuple[float, ...]
    bank_deg: tuple[float, ...]
    speed_kias: tuple[float, ...]
    groundspeed_kt: tuple[float, ...]
    events: tuple[Event, ...]
    truth: Truth


@dataclass(slots=True)
class _Motion:
    """The path as it is worked out, step by step."""

    time_s: list[float] = field(default_factory=list)
    along_ft: list[float] = field(default_factory=list)
    wheels_ft: list[float] = field(default_factory=list)  # over the surface
    speed_fps: list[float] = field(default_factory=list)  # in the air
    ground_fps: list[float] = field(default_factory=list)
    load: list[float] = field(default_factory=list)
    starts: dict[Phase, int] = field(default_factory=dict)

    def add(self, phase: Phase, t: Floats, along: Floats, wheels: Floats, speed: Floats, ground: Floats) -> None:
        """One phase, its times from its own start."""
        self.starts[phase] = len(self.time_s)
        after = self.time_s[-1] if self.time_s else 0.0
        self.time_s += [after + one for one in t]
        self.along_ft += list(along)
        self.wheels_ft += list(wheels)
        self.speed_fps += list(speed)
        self.ground_fps += list(ground)
        self.load += [1.0] * len(t)


def _times(seconds: float) -> Floats:
    """From a step on to the very end."""
    return np.append(np.arange(_STEP_S, seconds, _STEP_S), seconds)


def _approach(request: FilmRequest, setup: LandingSetup) -> Approach:
    """The approach as this pilot flies it.

    :raises InvalidInput: when the path never comes down to the runway
    """
    pilot, briefed = request.pilot, setup.approach
    off_kt = true_airspeed_kt(calibrated_kt=abs(pilot.speed_off_kt), density_ratio=setup.density_ratio)
    touchdown_ktas = briefed.touchdown_ktas + pilot.let_go_kt
    found = dataclasses.replace(
        briefed,
        speed_ktas=briefed.speed_ktas + math.copysign(off_kt, pilot.speed_off_kt),
        path_angle_deg=max(1.0, briefed.path_angle_deg + pilot.path_off_deg),
        hold_off_height_ft=pilot.hold_off_height_ft,
        load_factor=known_or(pilot.load_factor, briefed.load_factor),
        deceleration_fps2=max(0.51, briefed.deceleration_fps2 * pilot.power_share),
        touchdown_ktas=touchdown_ktas,
    )
    if not comes_down(found):
        raise InvalidInput('path_off_deg', pilot.path_off_deg, 'a path that comes down to the runway')
    return found


def make_film(request: FilmRequest) -> Film:
    """Work out one film.

    :raises InvalidInput: when the path never comes down to the runway, or the film would begin behind the roundout
    """
    brief, pilot = request.brief, request.pilot
    setup = landing_setup(brief)
    approach = _approach(request, setup)
    known = predict(approach)
    aim_ft = known_or(brief.asked_aim_ft, recommended_aim_ft(brief)) + pilot.aim_off_ft
    if request.from_nm * FT_PER_NM < -known.roundout_start_ft + 100:
        raise InvalidInput('from_nm', request.from_nm, 'farther out than the start of the roundout')
    motion = _fly(approach, known, aim_ft=aim_ft, from_ft=request.from_nm * FT_PER_NM, pilot=pilot)
    return _film(request, setup, approach, known, motion, aim_ft)


def _fly(approach: Approach, known: Touchdown, *, aim_ft: float, from_ft: float, pilot: Pilot) -> _Motion:
    """The path from far out to the rollout: each phase by the equations of the touchdown model."""
    arc, motion = arc_of(approach), _Motion()
    tan_path, v0 = math.tan(math.radians(approach.path_angle_deg)), approach.speed_ktas * FPS_PER_KT
    closing = tan_path + approach.slope
    # final: the eyes on the straight line to the aim point, the wheels below them
    wind = arc.wind_above_fps
    level_fps = v0 * math.cos(arc.air_angle_rad) - wind
    start_ft = known.roundout_start_ft
    t = np.append(0.0, _times((from_ft + start_ft) / level_fps))
    along = aim_ft - from_ft + level_fps * t
    wheels = (aim_ft - along) * closing - approach.eye_height_ft
    motion.add('final', t, along, wheels, np.full(t.size, v0), np.full(t.size, level_fps))
    # roundout: a circle in the air
    seconds = max(_STEP_S, known.roundout_s)
    t = _times(seconds)
    turned = (arc.air_angle_rad + arc.surface_angle_rad) * t / seconds
    theta = arc.air_angle_rad - turned
    dropped = arc.radius_ft * (np.cos(theta) - math.cos(arc.air_angle_rad))
    moved = arc.radius_ft * (math.sin(arc.air_angle_rad) - np.sin(theta)) - wind * t
    speed = np.sqrt(
        np.maximum(1.0, v0**2 + 2 * GRAVITY_FPS2 * dropped - 2 * approach.deceleration_fps2 * arc.radius_ft * turned)
    )
    along = aim_ft + start_ft + moved
    wheels = known.roundout_height_ft - dropped - approach.slope * moved
    motion.add('roundout', t, along, wheels, speed, speed * np.cos(theta) - wind)
    _hold_off(approach, known, motion, aim_ft=aim_ft, pilot=pilot)
    _touch_and_roll(motion, sinks=pilot.hold_off_height_ft > 2 * HOLD_OFF_HEIGHT_FT)
    return motion


def _hold_off(approach: Approach, known: Touchdown, motion: _Motion, *, aim_ft: float, pilot: Pilot) -> None:
    """Along the surface until the touchdown speed; a good one sinks through the last feet meanwhile."""
    if known.float_s <= 0:
        return
    arc, high_ft = arc_of(approach), approach.hold_off_height_ft
    t = _times(known.float_s)
    entry_fps = known.hold_off_ktas * FPS_PER_KT
    speed = entry_fps - arc.level_fps2 * t
    along = aim_ft + known.hold_off_start_ft + (entry_fps - arc.wind_below_fps) * t - arc.level_fps2 * t**2 / 2
    share = t / known.float_s
    wheels = np.full(t.size, high_ft) if high_ft > 2 * HOLD_OFF_HEIGHT_FT else high_ft * (1 - share**2)
    wheels = wheels + pilot.balloon_ft * np.where(share < 0.7, np.sin(np.pi * np.minimum(share / 0.7, 1.0)) ** 2, 0.0)
    motion.add('hold_off', t, along, wheels, speed, speed - arc.wind_below_fps)


def _touch_and_roll(motion: _Motion, *, sinks: bool) -> None:
    """The last fall, where the hold-off ended high, and two seconds on the wheels."""
    height_ft, ground, speed = motion.wheels_ft[-1], motion.ground_fps[-1], motion.speed_fps[-1]
    if sinks and height_ft > 0:
        t = _times(math.sqrt(2 * height_ft / _DROP_FPS2))
        along = motion.along_ft[-1] + ground * t
        wheels = np.maximum(0.0, height_ft - _DROP_FPS2 * t**2 / 2)
        motion.add('drop', t, along, wheels, np.full(t.size, speed), np.full(t.size, ground))
    t = _times(_ROLLOUT_S)
    along = motion.along_ft[-1] + ground * t - _ROLLING_FPS2 * t**2 / 2
    slower = _ROLLING_FPS2 * t
    motion.add('rollout', t, along, np.zeros(t.size), speed - slower, ground - slower)


def _film(
    request: FilmRequest, setup: LandingSetup, approach: Approach, known: Touchdown, motion: _Motion, aim_ft: float
) -> Film:
    """The motion with its attitudes, at so many pictures a second."""
    runway, pilot = request.brief.runway, request.pilot
    time_s, along = np.array(motion.time_s), np.array(motion.along_ft)
    wheels, speed = np.array(motion.wheels_ft), np.array(motion.speed_fps)
    touch = motion.starts['rollout'] - 1
    shown = np.append(np.arange(0.0, time_s[-1], 1 / request.pictures_a_second), time_s[-1])

    def at(values: Floats) -> Floats:
        found: Floats = np.interp(shown, time_s, values)
        return found

    cross_fps = known_or(setup.assumed_wind.cross_kt, 0.0) * FPS_PER_KT
    crab = np.degrees(np.arcsin(np.clip(cross_fps * _share(wheels, approach) / speed, -0.7, 0.7)))
    left = np.clip((time_s[touch] - time_s) / _STRAIGHTEN_S, 0.0, 1.0)
    heading = crab * left + pilot.crab_left_deg * (1 - left) * (time_s <= time_s[touch] + 0.2)
    drift_s = np.clip(time_s - time_s[motion.starts.get('hold_off', touch)], 0.0, time_s[touch])
    drifted = np.minimum(drift_s, max(0.0, time_s[touch] - time_s[motion.starts.get('hold_off', touch)]))
    lateral = pilot.lateral_ft + pilot.drift_kt * FPS_PER_KT * drifted
    attack = _LIFT_AT_TOUCH_DEG * (approach.touchdown_ktas * FPS_PER_KT / np.maximum(speed, 1.0)) ** 2
    climbing = np.degrees(
        np.arctan2(np.gradient(wheels + along * runway.slope_pct / 100, time_s), np.maximum(speed, 1))
    )
    pitch = np.where(time_s <= time_s[touch], climbing + attack - _INCIDENCE_DEG, 2.0)
    sway_ft, sway_deg, gust_kt = _unrest(request, time_s, wheels)
    ias = np.array([_indicated_kt(setup, one / FPS_PER_KT) for one in at(speed)]) + at(gust_kt)
    ground_kt = at(np.array(motion.ground_fps)) / FPS_PER_KT + at(gust_kt)
    eye = wheels + along * runway.slope_pct / 100 + approach.eye_height_ft
    return Film(
        time_s=_plain(shown, 4),
        along_ft=_plain(at(along), 3),
        lateral_ft=_plain(at(lateral + sway_ft), 3),
        wheels_ft=_plain(at(wheels), 3),
        eye_height_ft=_plain(at(eye), 3),
        heading_off_deg=_plain(at(heading), 3),
        pitch_deg=_plain(at(_smooth(pitch)), 3),
        bank_deg=_plain(at(sway_deg), 3),
        speed_kias=_plain(ias, 2),
        groundspeed_kt=_plain(ground_kt, 2),
        events=_events(motion, setup),
        truth=_truth(request, setup, known, motion, aim_ft, float(lateral[touch])),
    )


def _plain(values: Floats, digits: int) -> tuple[float, ...]:
    return tuple(round(float(one), digits) for one in values)


def _share(wheels: Floats, approach: Approach) -> Floats:
    found: Floats = np.asarray(share_of_report(wheels + approach.wing_height_ft, approach.roughness_ft), float)
    return found


def _smooth(values: Floats) -> Floats:
    """An attitude changes over a third of a second, and not in one picture."""
    width = max(1, round(0.3 / _STEP_S))
    padded = np.concatenate([np.full(width, values[0]), values, np.full(width, values[-1])])
    found: Floats = np.convolve(padded, np.full(width, 1 / width), mode='same')[width:-width]
    return found


def _unrest(request: FilmRequest, time_s: Floats, wheels: Floats) -> tuple[Floats, Floats, Floats]:
    """Sway [ft], bank [°] and speed [kt] of the unrest on final, none of it near the ground; the same by one seed."""
    if request.seed is None:
        none = np.zeros(time_s.size)
        return none, none, none
    rng = np.random.default_rng(request.seed)
    fades = np.clip((wheels - 20) / _HIGHEST_FT, 0.0, 1.0)
    waves = [(rng.uniform(0, 2 * math.pi), _GUST_S * rng.uniform(0.7, 1.6)) for _ in range(9)]

    def wave(numbers: slice) -> Floats:
        found: Floats = np.sum([np.sin(2 * math.pi * time_s / s + start) for start, s in waves[numbers]], axis=0)
        found /= math.sqrt(3)
        return found

    gust_kt = (_GUST_KT + request.brief.gust_spread_kt / 4) * wave(slice(6, 9)) * fades
    return _SWAY_FT * wave(slice(0, 3)) * fades, _SWAY_BANK_DEG * wave(slice(3, 6)) * fades, gust_kt


def _indicated_kt(setup: LandingSetup, ktas: float) -> float:
    """What the dial shows [KIAS]."""
    return setup.flap.airspeed_table.indicated_kt(ktas * math.sqrt(setup.density_ratio))


def _events(motion: _Motion, setup: LandingSetup) -> tuple[Event, ...]:
    """What happens, in order."""
    places: list[tuple[Moment, int]] = [('roundout', motion.starts['roundout'])]
    over = next((k for k, one in enumerate(motion.along_ft) if one >= 0), None)
    if over:
        places.append(('threshold', over))
    if 'hold_off' in motion.starts:
        places.append(('hold_off', motion.starts['hold_off']))
    if 'drop' in motion.starts:
        places.append(('drop', motion.starts['drop']))
    places.append(('touchdown', motion.starts['rollout'] - 1))
    return tuple(
        Event(
            what=what,
            time_s=round(motion.time_s[k], 3),
            along_ft=round(motion.along_ft[k], 2),
            wheels_ft=round(motion.wheels_ft[k], 2),
            speed_kias=round(_indicated_kt(setup, motion.speed_fps[k] / FPS_PER_KT), 2),
        )
        for what, k in sorted(places, key=lambda one: one[1])
    )


def _truth(
    request: FilmRequest, setup: LandingSetup, known: Touchdown, motion: _Motion, aim_ft: float, lateral_ft: float
) -> Truth:
    touch = motion.starts['rollout'] - 1
    over = next((k for k, one in enumerate(motion.along_ft) if one >= 0), None)
    at_threshold = over if over else None
    rate_fps = (motion.wheels_ft[touch - 1] - motion.wheels_ft[touch]) / max(
        1e-9, motion.time_s[touch] - motion.time_s[touch - 1]
    )
    return Truth(
        aim_point_ft=aim_ft,
        path_angle_deg=max(1.0, setup.path_angle_deg + request.pilot.path_off_deg),
        roundout_height_ft=known.roundout_height_ft,
        roundout_start_ft=aim_ft + known.roundout_start_ft,
        hold_off_start_ft=aim_ft + known.hold_off_start_ft,
        touchdown_ft=motion.along_ft[touch],
        touchdown_lateral_ft=lateral_ft,
        float_ft=motion.along_ft[touch] - aim_ft - known.hold_off_start_ft,
        float_s=motion.time_s[touch] - motion.time_s[motion.starts.get('hold_off', touch)],
        threshold_height_ft=None if at_threshold is None else motion.wheels_ft[at_threshold],
        threshold_speed_kias=None
        if at_threshold is None
        else _indicated_kt(setup, motion.speed_fps[at_threshold] / FPS_PER_KT),
        touchdown_speed_kias=_indicated_kt(setup, motion.speed_fps[touch] / FPS_PER_KT),
        sink_fpm=60 * rate_fps,
        dropped_from_ft=motion.wheels_ft[motion.starts['drop'] - 1] if 'drop' in motion.starts else 0.0,
        model_touchdown_ft=aim_ft + known.touchdown_ft,
    )
