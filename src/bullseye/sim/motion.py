"""An aeroplane as a point mass, 50 steps a second: in moving air and on the ground, each state noted."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, field
from typing import Any

import numpy as np

from bullseye.sim.air import KT, Gusts, Wind
from bullseye.sim.ground import Ground, Strip
from bullseye.sim.pilot import Aeroplane, Student

STEP_S = 0.02
G_FPS2 = 32.174
FT_PER_NM = 1852 / 0.3048
_STATE = ('time_s', 'n_ft', 'e_ft', 'height_ft', 'vn_fps', 've_fps', 'vz_fps', 'airspeed_kt')
COLUMNS = (*_STATE, 'heading_rad', 'bank_rad', 'pitch_rad', 'on_ground')


def limited(value: float, limit: float) -> float:
    """No further from zero than a limit, either way."""
    # called several times a step, so without max and min
    return -limit if value < -limit else limit if value > limit else value


def turned(angle_rad: float) -> float:
    """An angle as the shorter turn, from minus to plus a half."""
    return (angle_rad + math.pi) % (2 * math.pi) - math.pi


@dataclass
class LandingNotes:
    """What is noted while a landing happens."""

    threshold: dict[str, float] = field(default_factory=dict)
    roundout_start_ft: float | None = None
    level_ft: float | None = None
    level_s: float | None = None


class Moving:
    """What moves: its state, step by step."""

    def __init__(
        self,
        ground: Ground,
        *,
        wind: Wind,
        aeroplane: Aeroplane,
        student: Student,
        rng: np.random.Generator,
        gust_carry: float = 0.3,
    ) -> None:
        self.ground, self.wind, self.plane, self.student, self.rng = ground, wind, aeroplane, student, rng
        self.time_s, self.n, self.e = 0.0, 0.0, 0.0
        self.height = ground.elevation_ft
        self.tas = 0.0  # ft/s, the steady part
        self.heading, self.bank, self.vz, self.pitch = 0.0, 0.0, 0.0, 0.0
        self.on_ground = True
        self.strip: Strip = next(iter(ground.strips.values()))
        self._gust = Gusts(rng, sd=wind.gust_sd_kt * KT, time_s=wind.gust_s, step_s=STEP_S)
        self._wander = Gusts(rng, sd=1.0, time_s=8.0, step_s=STEP_S)
        self._wind_at: tuple[float, tuple[float, float]] = (math.nan, (0.0, 0.0))
        self._carry = gust_carry  # how much of a gust the aeroplane's mass lets into its groundspeed
        self._rows: list[tuple[float, ...]] = []
        self.events: list[dict[str, Any]] = []
        self.landing = LandingNotes()

    # --- stepping -----------------------------------------------------------------------------------------------

    def _note(self, vn: float, ve: float, airspeed_fps: float) -> None:
        self._rows.append(
            (
                self.time_s,
                self.n,
                self.e,
                self.height,
                vn,
                ve,
                self.vz,
                airspeed_fps / KT,
                self.heading,
                self.bank,
                self.pitch,
                float(self.on_ground),
            )
        )
        self.n += vn * STEP_S
        self.e += ve * STEP_S
        self.time_s += STEP_S
        self._gust.step()
        self._wander.step()

    @property
    def above_ft(self) -> float:
        """Wheels over the field."""
        return self.height - self.ground.elevation_ft

    def _wind_here(self) -> tuple[float, float]:
        """The steady wind at this height, north and east [ft/s]; asked for several times a step."""
        if self._wind_at[0] != self.height:
            self._wind_at = self.height, self.wind.at(self.above_ft)
        return self._wind_at[1]

    def _air(self, *, bank: float, vz: float, tas: float, accel: float = 2.0, vz_accel: float = 4.0) -> None:
        """One step in the air towards what is wanted."""
        wn, we = self._wind_here()
        self.bank += limited(bank - self.bank, math.radians(14) * STEP_S)
        self.heading += G_FPS2 * math.tan(self.bank) / max(self.tas, 40) * STEP_S
        self.tas += limited((tas - self.tas) / 3, accel) * STEP_S
        self.vz += limited((vz - self.vz) / 1.2, vz_accel) * STEP_S
        self.height += self.vz * STEP_S
        gust = self._gust.value
        along = self.tas + self._carry * gust
        self.pitch = math.atan2(self.vz, max(self.tas, 1)) + math.radians(4)
        self._note(along * math.cos(self.heading) + wn, along * math.sin(self.heading) + we, self.tas + gust)

    def _rolling(self, *, accel: float, course: float, lateral_fps: float = 0.0) -> None:
        """One step on the wheels along a course; ``tas`` holds the speed over the ground meanwhile."""
        self.tas = max(0.0, self.tas + accel * STEP_S)
        self.heading += limited(turned(course - self.heading), math.radians(20) * STEP_S)
        self.bank = 0.0
        self.pitch = 0.0
        before = self.height
        along, _ = self.strip.from_plane(self.n, self.e)
        self.height = self.strip.surface_ft(along)
        self.vz = (self.height - before) / STEP_S
        vn = self.tas * math.cos(course) - lateral_fps * math.sin(course)
        ve = self.tas * math.sin(course) + lateral_fps * math.cos(course)
        self._note(vn, ve, max(0.0, self.tas + self._head_fps(course) + self._gust.value))

    def _head_fps(self, course: float) -> float:
        wn, we = self._wind_here()
        return -(wn * math.cos(course) + we * math.sin(course))

    def _bank_for(self, course: float, cross_ft: float, *, reach_ft: float, bank_deg: float) -> float:
        """Bank that brings the ground track onto a line and keeps it there in the wind."""
        track = course - math.atan2(cross_ft, reach_ft)
        wn, we = self._wind_here()
        cross_wind = we * math.cos(track) - wn * math.sin(track)
        heading = track - math.asin(limited(cross_wind / max(self.tas, 40), 0.7))
        rate = turned(heading - self.heading) / 2.2
        return limited(math.atan(rate * self.tas / G_FPS2), math.radians(bank_deg))

    def _place(self) -> tuple[float, float]:
        return self.strip.from_plane(self.n, self.e)

    # --- on the ground ------------------------------------------------------------------------------------------

    def wait(self, seconds: float) -> None:
        """Stand still."""
        self.tas = 0.0
        for _ in range(int(seconds / STEP_S)):
            self._rolling(accel=0.0, course=self.heading)

    def taxi(self, points: Sequence[tuple[float, float]], *, kt: float = 13.0) -> None:
        """Taxi through places of the current runway's axes."""
        for along, lateral in points:
            n, e = self.strip.to_plane(along, lateral)
            while math.hypot(n - self.n, e - self.e) > 8:
                course = math.atan2(e - self.e, n - self.n)
                off = turned(course - self.heading)
                wanted = (4.0 if abs(off) > 0.5 else kt) * KT
                self.heading += limited(off, math.radians(35) * STEP_S)
                self._rolling(accel=limited(wanted - self.tas, 3.0), course=self.heading)
        self.wait(3)

    def _event(self, kind: str, along: float, lateral: float, *, at_s: float | None = None, **more: Any) -> None:
        row = self._rows[-1]
        self.events.append(
            {
                'kind': kind,
                'time_s': self.time_s if at_s is None else at_s,
                'field': self.ground.name,
                'runway': self.strip.ident,
                'along_ft': along,
                'lateral_ft': lateral,
                'groundspeed_kt': math.hypot(row[4], row[5]) / KT,
                **more,
            }
        )
