"""The traffic pattern flown in moving air: legs, turns, gates and the path over the ground."""

from __future__ import annotations

import math
from dataclasses import dataclass
from itertools import pairwise
from typing import Annotated, Literal

import numpy as np
from annotated_types import Ge, Le

from bullseye.core.air.atmosphere import true_airspeed_kt
from bullseye.core.air.turns import (
    STEEPEST_DEG,
    GroundWind,
    Turn,
    bank_to_fit,
    groundspeed_on,
    heading_for,
    radius_ft,
    stall_factor,
)
from bullseye.core.basis.constants import (
    FPS_PER_KT,
    FT_PER_NM,
    LEAST_STALL_MARGIN,
    LOW_STALL_MARGIN,
    LOW_STALL_MARGIN_TURNING,
)
from bullseye.core.basis.errors import BullseyeError
from bullseye.core.basis.kinds import BaseCue, PatternSide
from bullseye.core.basis.limits import WindKt
from bullseye.core.basis.quantity import Checked, Degrees, Real
from bullseye.core.fly.traffic import NumberTwo, extension_s, number_two
from bullseye.core.given.aircraft import Aircraft, FlapSetting, LegSetting
from bullseye.core.given.airfield import RunwayEnd
from bullseye.core.model.speeds import stall_margin

Leg = Literal['upwind', 'crosswind', 'downwind', 'base', 'final']
_VEER_DEG = 20.0  # [own] from the ground to pattern height, with the sun in the northern hemisphere
_STRONGER = 1.4  # [own] wind at pattern height over that at the ground
_STEP_S = 2.0  # between points of a drawn turn
_CLIMB_GRADIENT = 500 / FT_PER_NM  # [own] from brakes off, where the aircraft's own climb is unknown
_SLOWEST_KT = 10.0  # of groundspeed: below it no pattern makes sense
_LOWEST_FT = 300.0  # of pattern height
_LEAST_FIRST_TURN_FT = 300.0  # [com] above the field
_LEAST_FINAL_TURN_FT = 300.0  # [com] above the field, where the turn onto final begins
_LEAST_SAID_S = 0.5  # shorter rounds to nothing
_RUSHED_FPM = 900.0  # [own]
_LIGHT_KT = 3.0  # [own] of wind across that need not be spoken of
_TIMED_BASE_S = 30.0  # [com] after abeam, in the school that times it
_USUAL_SPACING_NM = 0.75  # [com]
_FINAL_GATES_FT = (500.0, 300.0, 200.0)


@dataclass(frozen=True, slots=True, kw_only=True)
class PatternChoice(Checked):
    """How the pattern shall be flown; what is left out takes the usual value."""

    side: PatternSide | None = None  # else the runway's own
    spacing_nm: Annotated[Real, Ge(0.2), Le(3)] | None = None  # of the downwind; else the field's own, else usual
    bank_deg: Annotated[Real, Ge(5), Le(45)] = 25.0
    altitude_ft: Annotated[Real, Ge(-1_000), Le(20_000)] | None = None  # above sea level; else the field's
    base_extension_s: Annotated[Real, Ge(0), Le(600)] = 0.0  # number two: downwind flown on for so long
    wind_dir_deg_true: Degrees | None = None  # at pattern height; None with wind_kt None: estimated
    wind_kt: WindKt | None = None
    ahead_final_nm: Annotated[Real, Ge(0), Le(15)] | None = None  # of one on final as we are abeam the spot
    ahead_kt: Annotated[Real, Ge(30), Le(250)] | None = None  # its groundspeed; else as ours on final


@dataclass(frozen=True, slots=True, kw_only=True)
class LegAnswer:
    """One leg between its turns."""

    leg: Leg
    track_deg_mag: float
    heading_deg_mag: float
    crab_deg: float  # positive: nose to the right of the track
    groundspeed_kt: float
    seconds: float
    length_ft: float
    kias: float
    flap: str
    power: str
    stall_margin_kt: float  # indicated, over the stall at this weight and flap, wings level


@dataclass(frozen=True, slots=True, kw_only=True)
class TurnAnswer:
    """One turn onto a leg."""

    onto: Leg
    bank_deg: float
    radius_ft: float  # through the air
    seconds: float
    stall_margin_pct: float  # by how much the stalling speed grows
    stall_margin_kt: float  # what is left of the speed over it, indicated


@dataclass(frozen=True, slots=True, kw_only=True)
class Gate:
    """A height to have at a place; place in the runway frame from the landing threshold."""

    name: str
    altitude_ft: float  # above sea level
    height_ft: float  # above the threshold
    along_ft: float
    lateral_ft: float


@dataclass(frozen=True, slots=True, kw_only=True)
class PathPoint:
    """A point of the ground track in the runway frame."""

    leg: Leg
    along_ft: float
    lateral_ft: float
    height_ft: float


@dataclass(frozen=True, slots=True, kw_only=True)
class FinalTurn:
    """What the wind does to the turn onto final."""

    drift_ft: float  # carried beyond (positive) or short of the centreline, if begun where still air wants it
    begin_earlier_ft: float
    begin_earlier_s: float
    bank_if_begun_late_deg: float | None  # None: no bank up to 75° would do
    stall_margin_pct: float | None
    words: str


@dataclass(frozen=True, slots=True, kw_only=True)
class PatternAnswer:
    """One pattern; headings are magnetic, as they are flown. None where the wind is unknown or too strong."""

    side: PatternSide
    altitude_ft: float
    spacing_ft: float
    spacing_cue_deg: float  # how far the runway lies below the horizon, abeam
    spacing_words: str
    wind_dir_deg_true: float | None
    wind_kt: float
    wind_source: str
    legs: tuple[LegAnswer, ...]
    turns: tuple[TurnAnswer, ...]
    gates: tuple[Gate, ...]
    path: tuple[PathPoint, ...]
    final_turn: FinalTurn
    final_length_ft: float
    descent_fpm: float
    seconds: float
    number_two: NumberTwo | None
    wind_words: str
    cautions: tuple[str, ...]


class NoPattern(BullseyeError, ValueError):
    """The pattern cannot be worked out; the text says why."""

    code = 'no_pattern'


def wind_at_pattern_height(*, direction_deg_true: float, speed_kt: float, is_northern: bool) -> tuple[float, float]:
    """Estimate the wind a thousand feet up from that at the ground [own].

    Friction lessens and turns the wind near the ground: above it blows stronger, and from farther to the right in the
    northern hemisphere, to the left in the southern [com].
    """
    turn = _VEER_DEG if is_northern else -_VEER_DEG
    return (direction_deg_true + turn) % 360 or 360.0, speed_kt * _STRONGER


@dataclass(frozen=True, slots=True, kw_only=True)
class _Leg:
    """A leg to be flown: its track in the runway frame (0 landing direction, right positive)."""

    leg: Leg
    track_deg: float
    kias: float
    ktas: float
    setting: LegSetting
    heading_deg: float
    groundspeed_kt: float
    flap_setting: FlapSetting
    weight_root: float  # √(W/Wmax), by which the stalling speed falls

    def margin_kt(self, bank_deg: float = 0.0) -> float:
        """Indicated speed over the stall at a bank [kt]."""
        return self.kias - self.flap_setting.airspeed_table.indicated_kt(
            self.flap_setting.stall_kcas * self.weight_root * stall_factor(bank_deg)
        )

    def over_stall(self, bank_deg: float = 0.0) -> float:
        """Calibrated speed over the stalling speed at a bank, as a ratio."""
        return stall_margin(self.flap_setting, self.kias, root=self.weight_root, bank_deg=bank_deg)


class _Flight:
    """Dead reckoning over the ground from leg to leg."""

    def __init__(self, wind: GroundWind) -> None:
        self.wind = wind
        self.along_ft = 0.0
        self.lateral_ft = 0.0
        self.seconds = 0.0
        self.points: list[tuple[Leg, float, float, float]] = []

    def mark(self, leg: Leg) -> None:
        self.points.append((leg, self.along_ft, self.lateral_ft, self.seconds))

    def straight(self, leg: _Leg, length_ft: float) -> float:
        self.mark(leg.leg)
        track = math.radians(leg.track_deg)
        self.along_ft += length_ft * math.cos(track)
        self.lateral_ft += length_ft * math.sin(track)
        took = length_ft / (leg.groundspeed_kt * FPS_PER_KT)
        self.seconds += took
        self.mark(leg.leg)
        return took

    def turn(self, onto: Leg, turn: Turn) -> None:
        start = (self.along_ft, self.lateral_ft, self.seconds)
        steps = max(2, math.ceil(turn.seconds / _STEP_S))
        for i in range(1, steps + 1):
            t = turn.seconds * i / steps
            along, right = turn.place_after(t, self.wind)
            self.along_ft, self.lateral_ft, self.seconds = start[0] + along, start[1] + right, start[2] + t
            self.mark(onto)


@dataclass(frozen=True, slots=True, kw_only=True)
class Climb:
    """How the aircraft gets up: the roll, and then as steeply as from lift-off to 50 ft, which errs low [own]."""

    ground_roll_ft: float
    over_50_ft_ft: float

    def reaches_ft(self, height_ft: float) -> float:
        """Distance from brakes off to a height [ft]."""
        return self.ground_roll_ft + (self.over_50_ft_ft - self.ground_roll_ft) * height_ft / 50


@dataclass(frozen=True, slots=True, kw_only=True)
class PatternTask:
    """What a pattern is worked out for; places are feet from the landing threshold.

    ``first_turn_ft`` and ``pattern_altitude_ft`` are above sea level.
    """

    aircraft: Aircraft
    runway: RunwayEnd
    choice: PatternChoice
    weight_lb: float
    density_ratio: float
    surface_wind_deg_true: float | None
    surface_wind_kt: float
    pattern_altitude_ft: float
    first_turn_ft: float
    aim_point_ft: float
    spot_ft: float
    path_angle_deg: float
    approach_kias: float
    is_northern: bool
    base_cue: BaseCue = 'spot_45_behind'
    climb: Climb | None = None  # None: the takeoff is unknown

    @property
    def right(self) -> float:
        """1 for a right pattern, -1 for a left one."""
        return 1.0 if (self.choice.side or self.runway.pattern_side) == 'right' else -1.0

    @property
    def altitude_ft(self) -> float:
        """Pattern altitude above sea level."""
        return self.pattern_altitude_ft if self.choice.altitude_ft is None else self.choice.altitude_ft

    @property
    def tpa_ft(self) -> float:
        """Pattern height above the runway."""
        return self.altitude_ft - self.runway.elevation_ft

    @property
    def spacing_ft(self) -> float:
        """Distance of the downwind from the runway."""
        return self.spacing_nm * FT_PER_NM

    @property
    def spacing_nm(self) -> float:
        """The same in nautical miles: as chosen, else the field's own, else three quarters [com]."""
        chosen = self.choice.spacing_nm
        if chosen is not None:
            return chosen
        own = self.runway.pattern_spacing_nm
        return _USUAL_SPACING_NM if own is None else own


class _Legs:
    """The legs of a task with their headings, and the turns between them."""

    def __init__(self, task: PatternTask, wind: GroundWind) -> None:
        ladder = task.aircraft.ladder
        if ladder is None:
            raise NoPattern('the aircraft has no speeds for the legs of the pattern')
        self.task, self.wind = task, wind
        root = math.sqrt(task.aircraft.weight_ratio(task.weight_lb))
        right = task.right
        self.upwind = self._leg('upwind', 0.0, ladder.climb, ladder.climb.kias * root)
        self.crosswind = self._leg('crosswind', 90.0 * right, ladder.climb, ladder.climb.kias * root)
        self.downwind = self._leg('downwind', 180.0 * right, ladder.downwind, ladder.downwind.kias)
        self.base = self._leg('base', -task.runway.base_angle_deg * right, ladder.base, ladder.base.kias * root)
        self.final = self._leg('final', 0.0, ladder.final, task.approach_kias)
        self.all = (self.upwind, self.crosswind, self.downwind, self.base, self.final)
        self.turns: dict[Leg, Turn] = {after.leg: self._turn(before, after) for before, after in pairwise(self.all)}
        self._require_margins()
        self.moved = {name: turn.displacement(wind) for name, turn in self.turns.items()}

    def _leg(self, name: Leg, track_deg: float, setting: LegSetting, kias: float) -> _Leg:
        aircraft = self.task.aircraft
        known = any(flap.name == setting.flap for flap in aircraft.flaps)
        flap = aircraft.flap(setting.flap if known else None)
        table = flap.airspeed_table
        ktas = true_airspeed_kt(calibrated_kt=table.calibrated_kt(kias), density_ratio=self.task.density_ratio)
        heading = heading_for(track_deg=track_deg, speed_ktas=ktas, wind=self.wind)
        if heading is None:
            raise NoPattern(f'the wind across the {name} leg is stronger than the aeroplane is fast')
        ground_kt = groundspeed_on(track_deg=track_deg, heading_deg=heading, speed_ktas=ktas, wind=self.wind)
        if ground_kt < _SLOWEST_KT:
            raise NoPattern(f'groundspeed on {name} would be under {_SLOWEST_KT:.0f} kt')
        return _Leg(
            leg=name,
            track_deg=track_deg,
            kias=kias,
            ktas=ktas,
            setting=setting,
            heading_deg=heading,
            groundspeed_kt=ground_kt,
            flap_setting=flap,
            weight_root=math.sqrt(aircraft.weight_ratio(self.task.weight_lb)),
        )

    def _turn(self, before: _Leg, after: _Leg) -> Turn:
        turned = (after.heading_deg - before.heading_deg) % 360
        return Turn(
            from_heading_deg=before.heading_deg,
            turned_deg=turned if self.task.right > 0 else turned - 360,
            bank_deg=self.task.choice.bank_deg,
            speed_ktas=before.ktas,
        )

    def banks(self) -> list[tuple[_Leg, float]]:
        """Every leg with the bank of the turn that ends it; 0 for final."""
        bank_deg = self.task.choice.bank_deg
        return [(leg, 0.0 if leg is self.final else bank_deg) for leg in self.all]

    def _require_margins(self) -> None:
        for leg, bank_deg in self.banks():
            if leg.over_stall(bank_deg) < LEAST_STALL_MARGIN - 1e-9:
                stall_kias = leg.kias - leg.margin_kt(bank_deg)
                turning = f' in {bank_deg:.0f}° of bank' if bank_deg else ''
                raise NoPattern(
                    f'{leg.kias:.0f} kt on {leg.leg} is too near the stall of {stall_kias:.0f} kt{turning} '
                    f'with flap {leg.flap_setting.name}. Fly it faster, or with less bank'
                )

    @property
    def crosswind_ft(self) -> float:
        """What is left of the crosswind leg between its turns; negative when they run into each other."""
        return self.task.spacing_ft - self.task.right * (self.moved['crosswind'][1] + self.moved['downwind'][1])

    @property
    def base_ft(self) -> float:
        """Likewise of base."""
        across_ft = self.task.spacing_ft + self.task.right * (self.moved['base'][1] + self.moved['final'][1])
        return across_ft / math.sin(math.radians(self.task.runway.base_angle_deg))


@dataclass(frozen=True, slots=True, kw_only=True)
class _Flown:
    """The pattern as flown over the ground: leg durations, and when what happens [s]."""

    flight: _Flight
    seconds: dict[Leg, float]
    on_downwind_s: float
    abeam_s: float
    base_turn_s: float
    base_s: float
    final_turn_s: float
    final_s: float
    final_ft: float
    extend_s: float

    def at(self, seconds: float) -> tuple[float, float]:
        """Place at a marked time."""
        _, along, lateral, _ = min(self.flight.points, key=lambda point: abs(point[3] - seconds))
        return along, lateral


def _fly(legs: _Legs) -> _Flown:
    """Fly leg after leg by dead reckoning."""
    task, runway, flight = legs.task, legs.task.runway, _Flight(legs.wind)
    flight.along_ft = -runway.displaced_threshold_ft
    climb_ft = max(0.0, task.first_turn_ft - runway.elevation_ft)
    up_ft = climb_ft / _CLIMB_GRADIENT if task.climb is None else task.climb.reaches_ft(climb_ft)
    first_turn_at_ft = max(runway.landing_distance_available_ft, flight.along_ft + up_ft)
    seconds: dict[Leg, float] = {}
    seconds['upwind'] = flight.straight(legs.upwind, first_turn_at_ft - flight.along_ft)
    flight.turn('crosswind', legs.turns['crosswind'])
    seconds['crosswind'] = flight.straight(legs.crosswind, max(0.0, legs.crosswind_ft))
    flight.turn('downwind', legs.turns['downwind'])
    on_downwind_s = flight.seconds
    downwind_fps = legs.downwind.groundspeed_kt * FPS_PER_KT
    abeam_s = on_downwind_s + max(0.0, flight.along_ft - task.spot_ft) / downwind_fps
    # base is begun with the spot 45° behind, or after a time, or farther out for number two
    behind_ft = abs(flight.lateral_ft) if task.base_cue == 'spot_45_behind' else _TIMED_BASE_S * downwind_fps
    extend_s = _extension_s(legs, behind_ft / downwind_fps)
    base_at_ft = task.spot_ft - behind_ft - extend_s * downwind_fps
    seconds['downwind'] = flight.straight(legs.downwind, max(0.0, flight.along_ft - base_at_ft))
    base_turn_s = flight.seconds
    flight.turn('base', legs.turns['base'])
    base_s = flight.seconds
    across_ft = task.right * (flight.lateral_ft + legs.moved['final'][1])
    to_go_ft = across_ft / math.sin(math.radians(runway.base_angle_deg))
    seconds['base'] = flight.straight(legs.base, max(0.0, to_go_ft))
    final_turn_s = flight.seconds
    flight.turn('final', legs.turns['final'])
    final_s, final_ft = flight.seconds, task.aim_point_ft - flight.along_ft
    if final_ft <= 0:
        raise NoPattern('base would join final beyond the aim point: fly a longer downwind')
    seconds['final'] = flight.straight(legs.final, final_ft)
    return _Flown(
        flight=flight,
        seconds=seconds,
        on_downwind_s=on_downwind_s,
        abeam_s=abeam_s,
        base_turn_s=base_turn_s,
        base_s=base_s,
        final_turn_s=final_turn_s,
        final_s=final_s,
        final_ft=final_ft,
        extend_s=extend_s,
    )


def _extension_s(legs: _Legs, base_turn_after_abeam_s: float) -> float:
    """Seconds downwind is flown on: as chosen, or until the one on final has passed abeam."""
    choice = legs.task.choice
    own_s = choice.base_extension_s + legs.task.runway.downwind_extension_s
    if choice.ahead_final_nm is None:
        return own_s
    return own_s + extension_s(
        ahead_final_nm=choice.ahead_final_nm,
        ahead_kt=choice.ahead_kt or legs.final.groundspeed_kt,
        downwind_kt=legs.downwind.groundspeed_kt,
        spot_ft=legs.task.spot_ft,
        base_turn_after_abeam_s=base_turn_after_abeam_s + legs.task.runway.downwind_extension_s,
    )


def _number_two(legs: _Legs, flown: _Flown) -> NumberTwo | None:
    choice = legs.task.choice
    if choice.base_extension_s <= 0 and choice.ahead_final_nm is None:
        return None
    return number_two(
        extend_s=flown.extend_s,
        downwind_kt=legs.downwind.groundspeed_kt,
        final_ft=flown.final_ft,
        tpa_ft=legs.task.tpa_ft,
        path_angle_deg=legs.task.path_angle_deg,
        aim_ft=legs.task.aim_point_ft,
        from_abeam_s=flown.flight.seconds - flown.abeam_s,
        ahead_final_nm=choice.ahead_final_nm,
        ahead_kt=choice.ahead_kt or legs.final.groundspeed_kt,
        final_kt=legs.final.groundspeed_kt,
    )


class _Heights:
    """Height above the runway at any time: climb to pattern height, level, even descent to the path on final."""

    def __init__(self, task: PatternTask, flown: _Flown) -> None:
        self.tpa_ft = task.tpa_ft
        self.final_turn_s = flown.final_turn_s
        self.on_final_ft = min(task.tpa_ft, flown.final_ft * math.tan(math.radians(task.path_angle_deg)))
        first_turn_ft = min(self.tpa_ft, max(0.0, task.first_turn_ft - task.runway.elevation_ft))
        down_s = min(flown.abeam_s + flown.extend_s, flown.final_s - 1.0)
        self.descent_s = flown.final_s - down_s
        end_s = flown.final_s + flown.seconds['final']
        climbed_s = max(flown.seconds['upwind'] + 1.0, flown.on_downwind_s)
        knots = [
            (0.0, 0.0),
            (flown.seconds['upwind'], first_turn_ft),
            (climbed_s, self.tpa_ft),
            (max(down_s, climbed_s), self.tpa_ft),
            (flown.final_s, self.on_final_ft),
            (end_s, 0.0),
        ]
        self._seconds, self._heights = [t for t, _ in knots], [h for _, h in knots]

    def at(self, seconds: float) -> float:
        """Height [ft]."""
        return float(np.interp(seconds, self._seconds, self._heights))

    @property
    def final_turn_ft(self) -> float:
        """Height where the turn onto final begins."""
        return self.at(self.final_turn_s)

    @property
    def descent_fpm(self) -> float:
        """Descent rate from abeam the spot to final."""
        return (self.tpa_ft - self.on_final_ft) / self.descent_s * 60


def _gates(task: PatternTask, flown: _Flown, heights: _Heights) -> tuple[Gate, ...]:
    """Heights to have on the way round, and on final."""
    elevation_ft = task.runway.elevation_ft

    def gate(name: str, height_ft: float, place: tuple[float, float]) -> Gate:
        along_ft, lateral_ft = place
        return Gate(
            name=name,
            altitude_ft=height_ft + elevation_ft,
            height_ft=height_ft,
            along_ft=along_ft,
            lateral_ft=lateral_ft,
        )

    base, turn = flown.at(flown.base_s), flown.at(flown.final_turn_s)
    found = [
        gate('abeam the spot', heights.at(flown.abeam_s), (task.spot_ft, flown.at(flown.base_turn_s)[1])),
        gate('base turn', heights.at(flown.base_turn_s), flown.at(flown.base_turn_s)),
        gate(
            'mid-base',
            heights.at((flown.base_s + flown.final_turn_s) / 2),
            ((base[0] + turn[0]) / 2, (base[1] + turn[1]) / 2),
        ),
        gate('final turn', heights.at(flown.final_turn_s), turn),
    ]
    slope = math.tan(math.radians(task.path_angle_deg))
    for height_ft in _FINAL_GATES_FT:
        if height_ft < heights.on_final_ft:
            found.append(gate(f'{height_ft:,.0f} ft on final', height_ft, (task.aim_point_ft - height_ft / slope, 0.0)))
    return tuple(found)


def _leg_answer(leg: _Leg, seconds: float, runway: RunwayEnd) -> LegAnswer:
    return LegAnswer(
        leg=leg.leg,
        track_deg_mag=_mag(leg.track_deg, runway),
        heading_deg_mag=_mag(leg.heading_deg, runway),
        crab_deg=leg.heading_deg - leg.track_deg,
        groundspeed_kt=leg.groundspeed_kt,
        seconds=seconds,
        length_ft=seconds * leg.groundspeed_kt * FPS_PER_KT,
        kias=leg.kias,
        flap=leg.setting.flap,
        power=leg.setting.power,
        stall_margin_kt=leg.margin_kt(),
    )


def _turn_answer(onto: Leg, turn: Turn, before: _Leg) -> TurnAnswer:
    return TurnAnswer(
        onto=onto,
        bank_deg=turn.bank_deg,
        radius_ft=radius_ft(speed_ktas=turn.speed_ktas, bank_deg=turn.bank_deg),
        seconds=turn.seconds,
        stall_margin_pct=(stall_factor(turn.bank_deg) - 1) * 100,
        stall_margin_kt=before.margin_kt(turn.bank_deg),
    )


def _wind_words(legs: _Legs, flown: _Flown) -> str:
    """What the wind across the pattern does to spacing and descent, if nothing is done about it."""
    task = legs.task
    # the runway lies to the left of the landing direction's right pattern: towards it is -right
    towards_kt = -task.right * legs.wind.right_fps / FPS_PER_KT
    if abs(towards_kt) < _LIGHT_KT:
        return 'Little wind across the pattern: spacing and descent are as in still air.'
    drift_ft = round(abs(towards_kt) * FPS_PER_KT * flown.seconds['downwind'], -1)
    still_s = flown.seconds['base'] * legs.base.groundspeed_kt / legs.base.ktas
    less_s = still_s - flown.seconds['base']
    crab = abs(legs.downwind.heading_deg - legs.downwind.track_deg)
    if towards_kt > 0:
        rushed = ' Too high and rushed is the classic result.' if less_s >= 0.5 else ''
        return (
            f'{towards_kt:.0f} kt blow towards the field: without {crab:.0f}° of crab the downwind closes in by '
            f'{drift_ft:,.0f} ft, and base is {_other_time(-less_s)}.{rushed}'
        )
    return (
        f'{-towards_kt:.0f} kt blow away from the field: without {crab:.0f}° of crab the downwind drifts out by '
        f'{drift_ft:,.0f} ft, and base is {_other_time(-less_s)}: keep the height until it is turned.'
    )


def _limit_cautions(legs: _Legs) -> list[str]:
    """Legs faster than their flap or the gear may be flown."""
    said, aircraft = [], legs.task.aircraft
    for leg in legs.all:
        limit_kias = leg.flap_setting.limit_kias
        if limit_kias is not None and leg.kias > limit_kias:
            said.append(
                f'{leg.kias:.0f} kt on {leg.leg} is over the limit of {limit_kias:.0f} kt with flap '
                f'{leg.flap_setting.name}: slow down before it is lowered.'
            )
    gear_kias = aircraft.particulars.gear_limit_kias
    if aircraft.is_retractable and gear_kias is not None:
        said += [
            f'{leg.kias:.0f} kt on {leg.leg} is over the gear limit of {gear_kias:.0f} kt: slow down first.'
            for leg in (legs.downwind, legs.base, legs.final)
            if leg.kias > gear_kias
        ]
    return said


def _cautions(legs: _Legs, heights: _Heights, final_turn: FinalTurn, two: NumberTwo | None) -> tuple[str, ...]:
    task, said = legs.task, _limit_cautions(legs)
    if two is not None and two.caution is not None:
        said.insert(0, two.caution)
    if task.climb is None:
        said.append('How this aircraft climbs here is unknown: the upwind leg is drawn for 500 ft a mile.')
    for leg, bank_deg in legs.banks():
        least = LOW_STALL_MARGIN_TURNING if bank_deg else LOW_STALL_MARGIN
        if leg.over_stall(bank_deg) < least:
            turning = f'in the turn from {leg.leg}' if bank_deg else f'on {leg.leg}'
            said.append(f'Only {leg.margin_kt(bank_deg):.0f} kt above the stall {turning}: fly it faster or flatter.')
    if task.first_turn_ft > task.altitude_ft:
        said.append('The first turn would come above pattern altitude: level off at pattern altitude and turn there.')
    elif task.first_turn_ft - task.runway.elevation_ft < _LEAST_FIRST_TURN_FT:
        height_ft = task.first_turn_ft - task.runway.elevation_ft
        said.append(
            f'The first turn would come only {round(height_ft, -1):,.0f} ft above the field: climb higher before it.'
        )
    if heights.final_turn_ft < _LEAST_FINAL_TURN_FT:
        said.append(f'The turn onto final is only {round(heights.final_turn_ft, -1):,.0f} ft up: fly a longer final.')
    shortest = min(('crosswind', legs.crosswind_ft), ('base', legs.base_ft), key=lambda pair: pair[1])
    if shortest[1] < 0:
        said.append(
            f'Spacing {task.spacing_nm:g} nm leaves no {shortest[0]} leg at {task.choice.bank_deg:.0f}° bank: '
            'its turns run into each other. Fly wider.'
        )
    if task.choice.bank_deg > STEEPEST_DEG:
        margin = (stall_factor(task.choice.bank_deg) - 1) * 100
        said.append(
            f'{task.choice.bank_deg:.0f}° of bank: the stall is {margin:.0f} % nearer. 30° is enough for anybody.'
        )
    if heights.descent_fpm > _RUSHED_FPM:
        said.append(
            f'{heights.descent_fpm:.0f} fpm from abeam to final: high and rushed. Fly wider or go down earlier.'
        )
    if heights.on_final_ft >= task.tpa_ft:
        said.append('Final is longer than the descent from pattern height: stay level on base, flap later.')
    bank = final_turn.bank_if_begun_late_deg
    if bank is None or bank > STEEPEST_DEG:
        said.append(final_turn.words)
    return tuple(said)


def brief_pattern(task: PatternTask) -> PatternAnswer:
    """Work out one pattern.

    Downwind is flown parallel to the runway at the spacing; base is begun with the spot 45° behind; descent is even
    from abeam the spot to the path on final.

    :raises NoPattern: when the wind is unknown or too strong to hold a track, or the aircraft has no speed ladder
    """
    if task.tpa_ft < _LOWEST_FT:
        raise NoPattern(
            f'pattern altitude {task.altitude_ft:,.0f} ft is less than {_LOWEST_FT:,.0f} ft above the runway'
        )
    direction, speed_kt, source = pattern_wind(task)
    off = math.radians((direction or 0.0) - task.runway.course_deg_true)
    wind = GroundWind.on(headwind_kt=speed_kt * math.cos(off), crosswind_from_right_kt=speed_kt * math.sin(off))
    legs = _Legs(task, wind)
    flown = _fly(legs)
    heights = _Heights(task, flown)
    final_turn, two = _final_turn(legs), _number_two(legs, flown)
    cue_deg = math.degrees(math.atan2(task.tpa_ft, task.spacing_ft))
    return PatternAnswer(
        side='right' if task.right > 0 else 'left',
        altitude_ft=task.altitude_ft,
        spacing_ft=task.spacing_ft,
        spacing_cue_deg=cue_deg,
        spacing_words=_cue_words(cue_deg, task.aircraft.wing_mark_angle_deg, task.tpa_ft),
        wind_dir_deg_true=direction,
        wind_kt=speed_kt,
        wind_source=source,
        legs=tuple(_leg_answer(leg, flown.seconds[leg.leg], task.runway) for leg in legs.all),
        turns=tuple(_turn_answer(after.leg, legs.turns[after.leg], before) for before, after in pairwise(legs.all)),
        gates=_gates(task, flown, heights),
        path=tuple(
            PathPoint(leg=leg, along_ft=along, lateral_ft=lateral, height_ft=heights.at(seconds))
            for leg, along, lateral, seconds in flown.flight.points
        ),
        final_turn=final_turn,
        final_length_ft=flown.final_ft,
        descent_fpm=heights.descent_fpm,
        seconds=flown.flight.seconds,
        number_two=two,
        wind_words=_wind_words(legs, flown),
        cautions=_cautions(legs, heights, final_turn, two),
    )


def pattern_wind(task: PatternTask) -> tuple[float | None, float, str]:
    """Wind at pattern height: direction true (None in calm), speed [kt], and where it comes from.

    :raises NoPattern: when the direction at the ground is unknown and none is given
    """
    choice = task.choice
    if choice.wind_kt is not None:
        if choice.wind_dir_deg_true is None and choice.wind_kt > 0:
            raise NoPattern('the direction of the wind at pattern height is not given')
        return choice.wind_dir_deg_true, choice.wind_kt, 'given'
    if task.surface_wind_deg_true is None:
        if task.surface_wind_kt > 0:
            raise NoPattern('the wind direction is unknown; give the wind at pattern height')
        return None, 0.0, 'calm at the ground: taken as calm above'
    direction, speed_kt = wind_at_pattern_height(
        direction_deg_true=task.surface_wind_deg_true,
        speed_kt=task.surface_wind_kt,
        is_northern=task.is_northern,
    )
    return direction, speed_kt, 'estimated from the wind at the ground'


def _mag(relative_deg: float, runway: RunwayEnd) -> float:
    return (runway.course_deg_mag + relative_deg) % 360 or 360.0


def _cue_words(cue_deg: float, mark_deg: float | None, tpa_ft: float) -> str:
    words = f'Abeam, the runway lies {cue_deg:.0f}° below the horizon'
    if mark_deg is None:
        return f'{words}.'
    at_mark_nm = tpa_ft / math.tan(math.radians(mark_deg)) / FT_PER_NM
    if abs(cue_deg - mark_deg) < 1:
        return f'{words}: just at the wing mark.'
    where = 'above' if cue_deg < mark_deg else 'below'
    return f'{words}, {where} the wing mark, which is at {mark_deg:.0f}° ({at_mark_nm:.1f} nm).'


def _time(seconds: float) -> str:
    return f'{seconds:.0f} s' if seconds >= _LEAST_SAID_S else 'a moment'


def _other_time(more_s: float) -> str:
    """How much longer or shorter something takes; what rounds to nothing is nothing."""
    if abs(more_s) < 0.5:
        return 'as long as in still air'
    return f'{abs(more_s):.0f} s {"longer" if more_s > 0 else "shorter"}'


def _final_turn(legs: _Legs) -> FinalTurn:
    """Compare the turn onto final with the same turn in still air."""
    base, turn, right = legs.base, legs.turns['final'], legs.task.right
    still = Turn(
        from_heading_deg=base.track_deg,
        turned_deg=legs.task.runway.base_angle_deg * right,
        bank_deg=turn.bank_deg,
        speed_ktas=turn.speed_ktas,
    ).displacement(GroundWind(along_fps=0.0, right_fps=0.0))
    towards = -right  # base is flown towards the centreline: from the right of it in a right pattern
    drift_ft = (legs.moved['final'][1] - still[1]) * towards
    bank = bank_to_fit(
        from_heading_deg=turn.from_heading_deg,
        turned_deg=turn.turned_deg,
        speed_ktas=turn.speed_ktas,
        wind=legs.wind,
        across_ft=still[1],
    )
    earlier_ft = drift_ft / math.sin(math.radians(legs.task.runway.base_angle_deg))
    earlier_s = earlier_ft / (base.groundspeed_kt * FPS_PER_KT)
    if drift_ft > 50:
        words = f'The wind carries base {round(drift_ft, -1):,.0f} ft through final: roll in {_time(earlier_s)} earlier'
        if bank is None:
            words += '; begun late no bank would do it: go around.'
        else:
            words += f'; begun late it would take {bank:.0f}° of bank, stall +{(stall_factor(bank) - 1) * 100:.0f} %.'
            if bank > STEEPEST_DEG:
                words += f' Over {STEEPEST_DEG:.0f}°: overshoot and go around instead.'
    elif drift_ft < -50:
        words = f'The wind holds base back {round(-drift_ft, -1):,.0f} ft: roll in {_time(-earlier_s)} later.'
    else:
        words = 'The wind hardly moves the turn onto final.'
    return FinalTurn(
        drift_ft=drift_ft,
        begin_earlier_ft=earlier_ft,
        begin_earlier_s=earlier_s,
        bank_if_begun_late_deg=bank,
        stall_margin_pct=None if bank is None else (stall_factor(bank) - 1) * 100,
        words=words,
    )
