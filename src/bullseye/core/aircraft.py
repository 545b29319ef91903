"""An aircraft as far as a landing needs it: speeds by flap, weights, tables, and what the pilot sees."""

from __future__ import annotations

import math
from dataclasses import dataclass
from itertools import pairwise
from typing import Annotated

import numpy as np
from annotated_types import Ge, Gt, Le
from pydantic import Field

from bullseye.core.constants import APPROACH_OVER_STALL, CROSSWIND_OVER_STALL, DECELERATION_FPS2
from bullseye.core.errors import InvalidInput, OutsideTable
from bullseye.core.kinds import LandingKind
from bullseye.core.quantity import Checked, Name, Real

Knots = Annotated[Real, Gt(0), Le(250)]


def _require_rising(field: str, values: tuple[float, ...]) -> None:
    for before, after in pairwise(values):
        if not after > before:
            raise InvalidInput(field, after, f'above the value before it, {before:g}')


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
        _require_rising('ias_kt', self.ias_kt)
        _require_rising('cas_kt', self.cas_kt)

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

    def check_together(self) -> None:
        for field in ('normal_approach_kias', 'short_field_approach_kias', 'power_off_approach_kias'):
            speed_kias = getattr(self, field)
            if speed_kias is not None and self.airspeed_table.calibrated_kt(speed_kias) <= self.stall_kcas:
                stall_kias = self.airspeed_table.indicated_kt(self.stall_kcas)
                raise InvalidInput(field, speed_kias, f'above the stalling speed, {stall_kias:.1f} KIAS')

    def published_approach_kias(self, kind: LandingKind) -> float | None:
        """Approach speed the handbook prints for a landing kind [KIAS]; None where it prints none."""
        published: dict[LandingKind, float | None] = {
            'normal': self.normal_approach_kias,
            'short_field': self.short_field_approach_kias,
            'power_off': self.power_off_approach_kias,
        }
        return published[kind]

    @property
    def rule_approach_kias(self) -> float:
        """1.3 Vs0, reckoned in calibrated airspeed [KIAS]. Source: [pub: 14 CFR 23.73 before 2017]."""
        return self.airspeed_table.indicated_kt(APPROACH_OVER_STALL * self.stall_kcas)


@dataclass(frozen=True, slots=True, kw_only=True)
class LandingTable(Checked):
    """Landing ground roll of the handbook: full flap, maximum weight, level dry paved runway, no wind.

    ``ground_roll_ft[i][j]`` belongs to ``pressure_altitude_ft[i]`` and ``temperature_c[j]``.
    """

    pressure_altitude_ft: Annotated[tuple[Real, ...], Field(min_length=2, max_length=20)]
    temperature_c: Annotated[tuple[Real, ...], Field(min_length=2, max_length=20)]
    ground_roll_ft: Annotated[
        tuple[tuple[Annotated[Real, Gt(0), Le(20_000)], ...], ...], Field(min_length=2, max_length=20)
    ]

    def check_together(self) -> None:
        _require_rising('pressure_altitude_ft', self.pressure_altitude_ft)
        _require_rising('temperature_c', self.temperature_c)
        rows, columns = len(self.pressure_altitude_ft), len(self.temperature_c)
        if len(self.ground_roll_ft) != rows or any(len(row) != columns for row in self.ground_roll_ft):
            raise InvalidInput('ground_roll_ft', 'its shape', f'{rows} rows of {columns} values')

    def ground_roll(self, *, pressure_altitude_ft: float, temperature_c: float) -> float:
        """Ground roll between the printed values [ft], bilinear.

        Lower or colder than the first printed value, that value is taken: the air is denser there, so it errs long.

        :raises OutsideTable: higher or hotter than printed; nothing is ever extrapolated
        """
        for name, value, axis in (
            ('pressure altitude', pressure_altitude_ft, self.pressure_altitude_ft),
            ('temperature', temperature_c, self.temperature_c),
        ):
            if value > axis[-1]:
                raise OutsideTable(f'{name} {value:.0f} is above the table, which ends at {axis[-1]:.0f}')
        by_temperature = [np.interp(temperature_c, self.temperature_c, row) for row in self.ground_roll_ft]
        return float(np.interp(pressure_altitude_ft, self.pressure_altitude_ft, by_temperature))


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
    deceleration_fps2: Annotated[Real, Gt(0.5), Le(12)] = DECELERATION_FPS2  # in the hold-off, before laps are known

    def check_together(self) -> None:
        if self.empty_weight_lb >= self.max_weight_lb:
            raise InvalidInput('empty_weight_lb', self.empty_weight_lb, f'below max_weight_lb, {self.max_weight_lb:g}')
        names = [flap.name for flap in self.flaps]
        if len(set(names)) != len(names):
            raise InvalidInput('flaps', names, 'each name once')

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

    @property
    def crosswind_limit(self) -> tuple[float, str]:
        """Crosswind the aircraft is known to take [kt], and where that figure comes from."""
        if self.demonstrated_crosswind_kt is not None:
            return self.demonstrated_crosswind_kt, 'demonstrated, from the handbook'
        return CROSSWIND_OVER_STALL * self.flaps[-1].stall_kcas, '0.2 of the stalling speed; the handbook is silent'
