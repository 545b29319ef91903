"""An aircraft as far as a landing needs it: speeds by flap, weights, tables, and what the pilot sees."""

from __future__ import annotations

import dataclasses
import math
from dataclasses import dataclass
from typing import Annotated, Literal

import numpy as np
from annotated_types import Ge, Gt, Le
from pydantic import Field

from bullseye.core.basis.constants import (
    APPROACH_OVER_STALL,
    CLEAN_GLIDE_DEG,
    CLIMB_LOST_FPM_PER_FT,
    CROSSWIND_OVER_STALL,
    FULL_FLAP_GLIDE_DEG,
    HIGH_WING_OVER_WHEELS_FT,
    LEAST_STALL_MARGIN,
    LOW_WING_OVER_WHEELS_FT,
)
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.kinds import TAILWHEEL_ONLY, LandingKind, Propeller, Undercarriage, Wing
from bullseye.core.basis.quantity import Checked, Deceleration, Name, Real
from bullseye.core.basis.sentence import Phrasebook
from bullseye.core.basis.tables import read_table, require_rising

Knots = Annotated[Real, Gt(0), Le(250)]


_SOURCE = Phrasebook('limit_source')


@dataclass(frozen=True, slots=True, kw_only=True)
class AirspeedTable(Checked):
    """Indicated against calibrated airspeed, as the handbook prints it.

    Linear between its rows; beyond its ends the last difference is kept [own].
    """

    ias_kt: Annotated[tuple[Knots, ...], Field(min_length=2, max_length=40)]
    cas_kt: Annotated[tuple[Knots, ...], Field(min_length=2, max_length=40)]

    def check_together(self) -> None:
        if len(self.ias_kt) != len(self.cas_kt):
            raise InvalidInput('cas_kt', len(self.cas_kt), f'as many values as ias_kt, {len(self.ias_kt)}')
        require_rising('ias_kt', self.ias_kt)
        require_rising('cas_kt', self.cas_kt)

    def calibrated_kt(self, indicated_kt: float) -> float:
        """Calibrated airspeed [kt] of an indicated one."""
        return _shifted(indicated_kt, self.ias_kt, self.cas_kt)

    def indicated_kt(self, calibrated_kt: float) -> float:
        """Indicated airspeed [kt] of a calibrated one."""
        return _shifted(calibrated_kt, self.cas_kt, self.ias_kt)


def _shifted(value: float, known: tuple[float, ...], wanted: tuple[float, ...]) -> float:
    difference = np.subtract(wanted, known)
    return float(value + np.interp(value, known, difference))


@dataclass(frozen=True, slots=True, kw_only=True)
class FlapSetting(Checked):
    """What the handbook says of one flap setting, at maximum weight."""

    name: Name
    stall_kcas: Knots
    airspeed_table: AirspeedTable
    normal_approach_kias: Knots | None = None
    short_field_approach_kias: Knots | None = None
    power_off_approach_kias: Knots | None = None
    idle_path_angle_deg: Annotated[Real, Ge(3), Le(15)] | None = None  # of the glide with power off
    limit_kias: Knots | None = None  # not to be flown faster with this flap
    windscreen_mark: Name | None = None  # where the aim point stands in the windscreen, as the school says it

    def check_together(self) -> None:
        for field in ('normal_approach_kias', 'short_field_approach_kias', 'power_off_approach_kias'):
            speed_kias = getattr(self, field)
            if speed_kias is not None and self.airspeed_table.calibrated_kt(speed_kias) <= self.stall_kcas:
                stall_kias = self.airspeed_table.indicated_kt(self.stall_kcas)
                raise InvalidInput(field, speed_kias, f'above the stalling speed, {stall_kias:.1f} KIAS')

    def published_approach_kias(self, kind: LandingKind) -> float | None:
        """Approach speed the handbook prints for a landing kind [KIAS]; None where it prints none."""
        if kind == 'short_field':
            return self.short_field_approach_kias
        if kind == 'power_off':
            return self.power_off_approach_kias
        return self.normal_approach_kias  # every other kind is a normal approach flown otherwise

    @property
    def rule_approach_kias(self) -> float:
        """1.3 Vs0, reckoned in calibrated airspeed [KIAS]. Source: [pub: 14 CFR 23.73 before 2017]."""
        return self.airspeed_table.indicated_kt(APPROACH_OVER_STALL * self.stall_kcas)


@dataclass(frozen=True, slots=True, kw_only=True)
class LandingTable(Checked):
    """Landing distances of the handbook: full flap, maximum weight, level dry paved runway, no wind.

    ``ground_roll_ft[i][j]`` belongs to ``pressure_altitude_ft[i]`` and ``temperature_c[j]``; ``over_50_ft_ft``
    likewise, from 50 ft over the threshold to the stop.
    """

    pressure_altitude_ft: Annotated[tuple[Real, ...], Field(min_length=2, max_length=20)]
    temperature_c: Annotated[tuple[Real, ...], Field(min_length=2, max_length=20)]
    ground_roll_ft: Annotated[
        tuple[tuple[Annotated[Real, Gt(0), Le(20_000)], ...], ...], Field(min_length=2, max_length=20)
    ]
    over_50_ft_ft: (
        Annotated[tuple[tuple[Annotated[Real, Gt(0), Le(20_000)], ...], ...], Field(min_length=2, max_length=20)] | None
    ) = None

    def check_together(self) -> None:
        require_rising('pressure_altitude_ft', self.pressure_altitude_ft)
        require_rising('temperature_c', self.temperature_c)
        rows, columns = len(self.pressure_altitude_ft), len(self.temperature_c)
        if len(self.ground_roll_ft) != rows or any(len(row) != columns for row in self.ground_roll_ft):
            raise InvalidInput('ground_roll_ft', 'its shape', f'{rows} rows of {columns} values')
        over = self.over_50_ft_ft
        if over is None:
            return
        if len(over) != rows or any(len(row) != columns for row in over):
            raise InvalidInput('over_50_ft_ft', 'its shape', f'{rows} rows of {columns} values')
        for over_row, roll_row in zip(over, self.ground_roll_ft, strict=True):
            for over_ft, roll_ft in zip(over_row, roll_row, strict=True):
                if over_ft <= roll_ft:
                    raise InvalidInput('over_50_ft_ft', over_ft, f'above the ground roll beside it, {roll_ft:g}')

    def ground_roll(self, *, pressure_altitude_ft: float, temperature_c: float) -> float:
        """Ground roll between the printed values [ft], bilinear.

        Lower or colder than the first printed value, that value is taken: the air is denser there, so it errs long.

        :raises OutsideTable: higher or hotter than printed; nothing is ever extrapolated
        """
        return self._read(self.ground_roll_ft, pressure_altitude_ft, temperature_c)

    def over_50(self, *, pressure_altitude_ft: float, temperature_c: float) -> float | None:
        """Distance from 50 ft to the stop between the printed values [ft]; None where it is not entered.

        :raises OutsideTable: higher or hotter than printed
        """
        return (
            None if self.over_50_ft_ft is None else self._read(self.over_50_ft_ft, pressure_altitude_ft, temperature_c)
        )

    def _read(self, cells: tuple[tuple[float, ...], ...], pressure_altitude_ft: float, temperature_c: float) -> float:
        return read_table(
            cells,
            [
                ('pressure altitude', self.pressure_altitude_ft, pressure_altitude_ft),
                ('temperature', self.temperature_c, temperature_c),
            ],
        )


Feet = Annotated[Real, Gt(0), Le(20_000)]
Plane = Annotated[tuple[tuple[Feet, ...], ...], Field(min_length=1, max_length=20)]


@dataclass(frozen=True, slots=True, kw_only=True)
class TakeoffTable(Checked):
    """Takeoff distances of the handbook: level dry paved runway, no wind.

    ``ground_roll_ft[i][j][k]`` belongs to ``pressure_altitude_ft[i]``, ``temperature_c[j]`` and ``weight_lb[k]``;
    ``over_50_ft_ft`` likewise, from brakes off to 50 ft.
    """

    pressure_altitude_ft: Annotated[tuple[Real, ...], Field(min_length=2, max_length=20)]
    temperature_c: Annotated[tuple[Real, ...], Field(min_length=2, max_length=20)]
    weight_lb: Annotated[tuple[Annotated[Real, Gt(0), Le(20_000)], ...], Field(min_length=1, max_length=8)]
    ground_roll_ft: Annotated[tuple[Plane, ...], Field(min_length=2, max_length=20)]
    over_50_ft_ft: Annotated[tuple[Plane, ...], Field(min_length=2, max_length=20)]

    def check_together(self) -> None:
        for axis in ('pressure_altitude_ft', 'temperature_c', 'weight_lb'):
            require_rising(axis, getattr(self, axis))
        shape = (len(self.pressure_altitude_ft), len(self.temperature_c), len(self.weight_lb))
        for field in ('ground_roll_ft', 'over_50_ft_ft'):
            cells = getattr(self, field)
            if len(cells) != shape[0] or any(len(p) != shape[1] or any(len(r) != shape[2] for r in p) for p in cells):
                raise InvalidInput(
                    field, 'its shape', 'altitudes × temperatures × weights, {} × {} × {}'.format(*shape)
                )
            self._require_growing(field)
        for i, plane in enumerate(self.ground_roll_ft):
            for j, row in enumerate(plane):
                for k, roll_ft in enumerate(row):
                    if self.over_50_ft_ft[i][j][k] <= roll_ft:
                        raise InvalidInput(
                            'over_50_ft_ft',
                            self.over_50_ft_ft[i][j][k],
                            f'above the ground roll beside it, {roll_ft:g}',
                        )

    def _require_growing(self, field: str) -> None:
        """Thinner air and more weight never shorten a takeoff: a cell that says so is a slip of the pen."""
        cells = np.asarray(getattr(self, field), float)
        for axis, name in enumerate(('pressure altitude', 'temperature', 'weight')):
            falls = np.argwhere(np.diff(cells, axis=axis) < 0)
            if falls.size:
                at = falls[0] + np.eye(3, dtype=int)[axis]
                raise InvalidInput(
                    field,
                    float(cells[tuple(at)]),
                    f'not less than at the lower {name} (cell {at[0] + 1}, {at[1] + 1}, {at[2] + 1})',
                )

    def distances_ft(
        self, *, pressure_altitude_ft: float, temperature_c: float, weight_lb: float
    ) -> tuple[float, float]:
        """Ground roll and distance over 50 ft between the printed values [ft], trilinear.

        :raises OutsideTable: higher, hotter or heavier than printed
        """
        axes = [
            ('pressure altitude', self.pressure_altitude_ft, pressure_altitude_ft),
            ('temperature', self.temperature_c, temperature_c),
            ('weight', self.weight_lb, weight_lb),
        ]
        return read_table(self.ground_roll_ft, axes), read_table(self.over_50_ft_ft, axes)


@dataclass(frozen=True, slots=True, kw_only=True)
class LegSetting(Checked):
    """Speed, flap and power reference of a leg; the power is where to start, not a target."""

    kias: Knots
    flap: Name
    power: Name


@dataclass(frozen=True, slots=True, kw_only=True)
class SpeedLadder(Checked):
    """What to fly on each leg of the pattern, at maximum weight."""

    climb: LegSetting
    downwind: LegSetting
    abeam: LegSetting
    base: LegSetting
    final: LegSetting


FlowPhase = Literal['before takeoff', 'takeoff', 'climb', 'downwind', 'base', 'final', 'go-around', 'after landing']


@dataclass(frozen=True, slots=True, kw_only=True)
class Flow(Checked):
    """A flow of the hand or a callout, to be ticked through: what is done or said, in order."""

    phase: FlowPhase
    items: Annotated[tuple[Name, ...], Field(min_length=1, max_length=30)]
    callouts: Annotated[tuple[Name, ...], Field(max_length=20)] = ()


ClimbFpm = Annotated[Real, Gt(0), Le(3_000)]
DensityAltitudeFt = Annotated[Real, Ge(-5_000), Le(25_000)]


@dataclass(frozen=True, slots=True, kw_only=True)
class ClimbRow(Checked):
    """Climb in landing configuration at one density altitude, as the handbook's table prints it."""

    density_altitude_ft: DensityAltitudeFt
    climb_fpm: Annotated[Real, Ge(-1_000), Le(3_000)]


@dataclass(frozen=True, slots=True, kw_only=True)
class Particulars(Checked):
    """What an instructor teaches of one aircraft beside its speeds; None is not known."""

    registration: Name | None = None
    undercarriage: Undercarriage = 'nosewheel'
    has_carburettor_heat: bool | None = None
    propeller: Propeller = 'fixed'
    gear_limit_kias: Knots | None = None  # not to be flown faster while the gear moves or is down
    slats_out_kias: Knots | None = None  # below which automatic slats stand out
    angle_of_attack_target: Name | None = None  # of the gauge on final, as the school says it

    @property
    def has_tailwheel(self) -> bool:
        """Whether it stands on its tail."""
        return self.undercarriage == 'tailwheel'


@dataclass(frozen=True, slots=True, kw_only=True)
class Aircraft(Checked):
    """One aircraft. ``flaps`` run from up to full; a landing is made with the last unless another is named."""

    name: Name
    max_weight_lb: Annotated[Real, Gt(0), Le(20_000)]
    empty_weight_lb: Annotated[Real, Gt(0), Le(20_000)]
    flaps: Annotated[tuple[FlapSetting, ...], Field(min_length=1, max_length=8)]
    landing_table: LandingTable | None = None
    demonstrated_crosswind_kt: Annotated[Real, Gt(0), Le(60)] | None = None
    blind_distance_ft: Annotated[Real, Ge(0), Le(300)] = 40.0  # of runway that the nose hides
    eye_height_ft: Annotated[Real, Gt(0), Le(30)] = 7.5  # of the pilot's eyes above the wheels
    deceleration_fps2: Deceleration | None = (
        None  # in the hold-off with full flap, as the school says; None: by the glide
    )
    wing: Wing = 'high'
    wing_height_ft: Annotated[Real, Gt(0), Le(30)] | None = None  # over the main wheels; None: usual for its wing
    span_ft: Annotated[Real, Gt(10), Le(200)] | None = None
    takeoff_table: TakeoffTable | None = None
    rotate_kias: Knots | None = None  # printed, at maximum weight
    vx_kias: Knots | None = None
    vy_kias: Knots | None = None
    best_glide_kias: Knots | None = None  # flap up, at maximum weight
    ladder: SpeedLadder | None = None
    wing_mark_angle_deg: Annotated[Real, Ge(0), Le(60)] | None = None  # below the horizon, of the mark the eye sees
    is_retractable: bool = False
    callsign: Name | None = None  # as it is said on the radio; else the name
    landing_climb_fpm: ClimbFpm | None = None  # full flap and gear down, full power, laden, at the height below
    landing_climb_at_ft: DensityAltitudeFt = 0.0  # density altitude for which the handbook prints that climb
    landing_climb_table: Annotated[tuple[ClimbRow, ...], Field(max_length=20)] = ()  # goes before the one figure
    fuel_burn_gph: Annotated[Real, Gt(0), Le(100)] | None = None  # in the pattern
    flows: Annotated[tuple[Flow, ...], Field(max_length=20)] = ()
    particulars: Particulars = dataclasses.field(default_factory=Particulars)

    def check_together(self) -> None:
        if self.empty_weight_lb >= self.max_weight_lb:
            raise InvalidInput('empty_weight_lb', self.empty_weight_lb, f'below max_weight_lb, {self.max_weight_lb:g}')
        names = [flap.name for flap in self.flaps]
        if len(set(names)) != len(names):
            raise InvalidInput('flaps', names, 'each name once')
        require_rising('landing_climb_table', tuple(row.density_altitude_ft for row in self.landing_climb_table))

    def flap(self, name: str | None) -> FlapSetting:
        """Flap setting by name; the last, full flap, when none is named.

        :raises InvalidInput: when the aircraft has no such setting
        """
        if name is None:
            return self.flaps[-1]
        for flap in self.flaps:
            if flap.name == name:
                return flap
        raise InvalidInput('flap', name, ', '.join(flap.name for flap in self.flaps))

    @property
    def climb_flap(self) -> FlapSetting:
        """Flap of the takeoff and the climb after it: as the ladder names it, else up."""
        named = self.ladder.climb.flap if self.ladder is not None else None
        return next((flap for flap in self.flaps if flap.name == named), self.flaps[0])

    @property
    def has_flap(self) -> bool:
        """Whether it has any flap to move."""
        return len(self.flaps) > 1

    def lands(self, kind: LandingKind) -> bool:
        """Whether a kind of landing is one of this aircraft: some need a tailwheel, one needs flap to leave up."""
        if kind == 'no_flap':
            return self.has_flap
        return kind not in TAILWHEEL_ONLY or self.particulars.has_tailwheel

    @property
    def wing_over_wheels_ft(self) -> float:
        """Height of the wing over the main wheels [ft]: as entered, else what is usual for its wing [own]."""
        usual = HIGH_WING_OVER_WHEELS_FT if self.wing == 'high' else LOW_WING_OVER_WHEELS_FT
        return usual if self.wing_height_ft is None else self.wing_height_ft

    def idle_path_angle_deg(self, flap: FlapSetting) -> float:
        """Angle of the glide with power off below the horizontal [°]: as recorded, else by the stage of flap [own].

        With flap up and with full flap by our own figures, stages between evenly between them.
        """
        if flap.idle_path_angle_deg is not None:
            return flap.idle_path_angle_deg
        stage = self.flaps.index(flap) / max(1, len(self.flaps) - 1)
        return CLEAN_GLIDE_DEG + stage * (FULL_FLAP_GLIDE_DEG - CLEAN_GLIDE_DEG)

    def weight_ratio(self, weight_lb: float) -> float:
        """Weight over maximum weight.

        :raises InvalidInput: below the empty or above the maximum weight
        """
        if not self.empty_weight_lb <= weight_lb <= self.max_weight_lb:
            raise InvalidInput('weight_lb', weight_lb, f'{self.empty_weight_lb:g} to {self.max_weight_lb:g}')
        return weight_lb / self.max_weight_lb

    def stall_kcas(self, *, flap: FlapSetting, weight_lb: float) -> float:
        """Stalling speed at a weight [KCAS]: falls with √(W/Wmax). Source: [pub: lift equation]."""
        return flap.stall_kcas * math.sqrt(self.weight_ratio(weight_lb))

    def go_around_climb_fpm(self, *, density_altitude_ft: float) -> float | None:
        """Climb in landing configuration in this air [fpm], 0 or less where it does not climb; None is unknown.

        By the handbook's table, between its rows; above the last nothing is known, below the first its value errs low.
        Without a table the one figure loses 50 fpm for each 1,000 ft of density altitude over its own [com]; denser air
        gives nothing back.
        """
        rows = self.landing_climb_table
        if rows:
            heights = [row.density_altitude_ft for row in rows]
            if density_altitude_ft > heights[-1]:
                return None
            return float(np.interp(density_altitude_ft, heights, [row.climb_fpm for row in rows]))
        if self.landing_climb_fpm is None:
            return None
        above_ft = max(0.0, density_altitude_ft - self.landing_climb_at_ft)
        return self.landing_climb_fpm - CLIMB_LOST_FPM_PER_FT * above_ft

    @property
    def crosswind_limit(self) -> tuple[float, str]:
        """Crosswind the aircraft is known to take [kt], and where that figure comes from."""
        if self.demonstrated_crosswind_kt is not None:
            return self.demonstrated_crosswind_kt, str(_SOURCE.say('demonstrated'))
        return CROSSWIND_OVER_STALL * self.flaps[-1].stall_kcas, str(_SOURCE.say('rule'))


def _up(speed_kias: float) -> str:
    """A least speed as it is told: to the tenth above, so that what is told is also taken."""
    return f'{math.ceil(speed_kias * 10) / 10:g}'


def require_flyable_speeds(aircraft: Aircraft) -> None:
    """Refuse speeds that nobody should fly, where they are entered; what is kept already is read on, and not flown by.

    :raises InvalidInput: for an approach under 1.1 times the stall, Vx over Vy, or a rotation below the stall
    """
    for number, flap in enumerate(aircraft.flaps):
        least_kias = flap.airspeed_table.indicated_kt(LEAST_STALL_MARGIN * flap.stall_kcas)
        for name in ('normal_approach_kias', 'short_field_approach_kias', 'power_off_approach_kias'):
            speed_kias = getattr(flap, name)
            if speed_kias is not None and speed_kias < least_kias - 1e-6:
                raise InvalidInput(
                    f'spec.flaps.{number}.{name}',
                    speed_kias,
                    f'at least 1.1 times the stall, {_up(least_kias)} KIAS',
                )
    if aircraft.vx_kias is not None and aircraft.vy_kias is not None and aircraft.vx_kias > aircraft.vy_kias:
        raise InvalidInput('spec.vx_kias', aircraft.vx_kias, f'not above Vy, {aircraft.vy_kias:g} KIAS')
    full = aircraft.flaps[-1]
    stall_kias = full.airspeed_table.indicated_kt(full.stall_kcas)
    if aircraft.rotate_kias is not None and aircraft.rotate_kias < stall_kias:
        raise InvalidInput('spec.rotate_kias', aircraft.rotate_kias, f'not below the stall, {_up(stall_kias)} KIAS')
