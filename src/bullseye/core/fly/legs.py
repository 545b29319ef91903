"""The legs of a pattern in moving air: what is asked, and each leg with its heading, its turn and its margin."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from itertools import pairwise
from typing import Annotated, Literal

from annotated_types import Ge, Le

from bullseye.core.air.atmosphere import true_airspeed_kt
from bullseye.core.air.turns import GroundWind, Turn, groundspeed_on, heading_for, stall_factor
from bullseye.core.basis.constants import FT_PER_NM, LEAST_STALL_MARGIN
from bullseye.core.basis.errors import NotWorkedOut
from bullseye.core.basis.kinds import BaseCue, PatternSide
from bullseye.core.basis.limits import WindKt
from bullseye.core.basis.quantity import Checked, Degrees, Real
from bullseye.core.basis.sentence import Phrasebook, degrees, knots
from bullseye.core.given.aircraft import Aircraft, FlapSetting, LegSetting
from bullseye.core.given.airfield import RunwayEnd
from bullseye.core.model.speeds import stall_margin

Leg = Literal['upwind', 'crosswind', 'downwind', 'base', 'final']
_VEER_DEG = 20.0  # [own] from the ground to pattern height, with the sun in the northern hemisphere
_STRONGER = 1.4  # [own] wind at pattern height over that at the ground
_SLOWEST_KT = 10.0  # [own] of groundspeed: below it no pattern makes sense
_USUAL_SPACING_NM = 0.75  # [com]
_BOOK = Phrasebook('legs')


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


class NoPattern(NotWorkedOut):
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
class TrackedLeg:
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
    downwind_kias: float | None = None  # as the instructor set it; None: the aircraft's own
    base_kias: float | None = None  # likewise
    landing_flap: str | None = None  # of the landing that is briefed; None: that of the ladder
    final_groundspeed_kt: float | None = None  # likewise, in the wind at the ground; None: in that at pattern height
    surface_wind_is_known: bool = True  # else nobody has given it, and the pattern is that of still air

    @property
    def wind_is_known(self) -> bool:
        """Whether anybody has given a wind, at the ground or at pattern height."""
        return self.surface_wind_is_known or self.choice.wind_kt is not None

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


def _or(set_kias: float | None, usual_kias: float) -> float:
    return usual_kias if set_kias is None else set_kias


class Legs:
    """The legs of a task with their headings, and the turns between them."""

    def __init__(self, task: PatternTask, wind: GroundWind) -> None:
        ladder = task.aircraft.ladder
        if ladder is None:
            raise NoPattern(_BOOK.say('no_speeds'))
        self.task, self.wind = task, wind
        root = math.sqrt(task.aircraft.weight_ratio(task.weight_lb))
        right = task.right
        self.upwind = self._leg('upwind', 0.0, ladder.climb, ladder.climb.kias * root)
        self.crosswind = self._leg('crosswind', 90.0 * right, ladder.climb, ladder.climb.kias * root)
        self.downwind = self._leg(
            'downwind', 180.0 * right, ladder.downwind, _or(task.downwind_kias, ladder.downwind.kias)
        )
        self.base = self._leg(
            'base', -task.runway.base_angle_deg * right, ladder.base, _or(task.base_kias, ladder.base.kias * root)
        )
        flap = ladder.final.flap if task.landing_flap is None else task.landing_flap
        final = self._leg('final', 0.0, replace(ladder.final, flap=flap), task.approach_kias)
        # final is flown down into the wind at the ground: one groundspeed for it, here and in the landing
        ground_kt = final.groundspeed_kt if task.final_groundspeed_kt is None else task.final_groundspeed_kt
        self.final = replace(final, groundspeed_kt=max(_SLOWEST_KT, ground_kt))
        self.all = (self.upwind, self.crosswind, self.downwind, self.base, self.final)
        self.turns: dict[Leg, Turn] = {after.leg: self._turn(before, after) for before, after in pairwise(self.all)}
        self._require_margins()
        self.moved = {name: turn.displacement(wind) for name, turn in self.turns.items()}

    def _leg(self, name: Leg, track_deg: float, setting: LegSetting, kias: float) -> TrackedLeg:
        aircraft = self.task.aircraft
        known = any(flap.name == setting.flap for flap in aircraft.flaps)
        flap = aircraft.flap(setting.flap if known else None)
        table = flap.airspeed_table
        ktas = true_airspeed_kt(calibrated_kt=table.calibrated_kt(kias), density_ratio=self.task.density_ratio)
        heading = heading_for(track_deg=track_deg, speed_ktas=ktas, wind=self.wind)
        if heading is None:
            raise NoPattern(_BOOK.say('blown_away', leg=name))
        ground_kt = groundspeed_on(track_deg=track_deg, heading_deg=heading, speed_ktas=ktas, wind=self.wind)
        if ground_kt < _SLOWEST_KT:
            raise NoPattern(_BOOK.say('too_slow', leg=name, least=knots(_SLOWEST_KT)))
        return TrackedLeg(
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

    def _turn(self, before: TrackedLeg, after: TrackedLeg) -> Turn:
        turned = (after.heading_deg - before.heading_deg) % 360
        return Turn(
            from_heading_deg=before.heading_deg,
            turned_deg=turned if self.task.right > 0 else turned - 360,
            bank_deg=self.task.choice.bank_deg,
            speed_ktas=before.ktas,
        )

    def banks(self) -> list[tuple[TrackedLeg, float]]:
        """Every leg with the bank of the turn that ends it; 0 for final."""
        bank_deg = self.task.choice.bank_deg
        return [(leg, 0.0 if leg is self.final else bank_deg) for leg in self.all]

    def _require_margins(self) -> None:
        for leg, bank_deg in self.banks():
            if leg.over_stall(bank_deg) < LEAST_STALL_MARGIN - 1e-9:
                speed, stall = knots(leg.kias), knots(leg.kias - leg.margin_kt(bank_deg))
                flap = leg.flap_setting.name
                if not bank_deg:
                    raise NoPattern(_BOOK.say('near_stall', speed=speed, leg=leg.leg, stall=stall, flap=flap))
                raise NoPattern(
                    _BOOK.say(
                        'near_stall_turning', speed=speed, leg=leg.leg, stall=stall, flap=flap, bank=degrees(bank_deg)
                    )
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


def pattern_wind(task: PatternTask) -> tuple[float | None, float, str]:
    """Wind at pattern height: direction true (None in calm), speed [kt], and where it comes from.

    :raises NoPattern: when the direction at the ground is unknown and none is given
    """
    choice = task.choice
    if choice.wind_kt is not None:
        if choice.wind_dir_deg_true is None and choice.wind_kt > 0:
            raise NoPattern(_BOOK.say('no_wind_aloft'))
        return choice.wind_dir_deg_true, choice.wind_kt, 'given'
    if not task.surface_wind_is_known:
        return None, 0.0, 'not given by anybody: drawn for still air'
    if task.surface_wind_deg_true is None:
        if task.surface_wind_kt > 0:
            raise NoPattern(_BOOK.say('no_wind'))
        return None, 0.0, 'calm at the ground: taken as calm above'
    direction, speed_kt = wind_at_pattern_height(
        direction_deg_true=task.surface_wind_deg_true,
        speed_kt=task.surface_wind_kt,
        is_northern=task.is_northern,
    )
    return direction, speed_kt, 'estimated from the wind at the ground'
