"""A simulated flight, 50 steps a second: a point mass flown round the pattern by a student, and the truth of it."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any, Literal

import numpy as np
from numpy.typing import NDArray

from bullseye.sim.air import KT, Wind
from bullseye.sim.ground import Ground
from bullseye.sim.landing import Landing
from bullseye.sim.motion import COLUMNS, FT_PER_NM, G_FPS2, STEP_S, LandingNotes, limited, turned
from bullseye.sim.pilot import LapPlan


@dataclass(frozen=True)
class Flown:
    """What was flown: the states, an array a column, and wind and events as they truly were."""

    ground: Ground
    wind: Wind
    states: dict[str, NDArray[np.float64]]
    events: list[dict[str, Any]]


_Leg = Literal['downwind', 'base', 'final']


@dataclass(frozen=True, slots=True, kw_only=True)
class _Descent:
    """One approach as a student means to fly it; feet from the landing threshold."""

    tan_path: float
    aim_ft: float
    approach_kt: float
    load: float
    roundout_error_ft: float
    hold_off_ft: float
    base_at_ft: float
    centre_ft: float


class Flight(Landing):
    """Flies one flight step by step; :meth:`fly` gives what came of it."""

    def takeoff(self, *, from_roll: bool = False) -> None:
        """Roll until the wings carry, and lift off."""
        course = self.strip.course_rad
        if not from_roll:
            self.heading = course
        start, _ = self._place()
        top = self.plane.lift_off_kt * KT * 1.6
        lift_off = (self.plane.lift_off_kt + float(self.rng.normal(0, 1.5))) * KT
        power = 0.3
        centre = float(self.rng.normal(0, self.student.centreline_spread_ft / 2))
        while self.tas + self._head_fps(course) < lift_off:
            power = min(1.0, power + STEP_S / 2.5)
            airspeed = self.tas + self._head_fps(course)
            _, lateral = self._place()
            self._rolling(
                accel=self.plane.roll_fps2 * power * (1 - (airspeed / top) ** 2),
                course=course,
                lateral_fps=limited((centre - lateral) * 0.3, 2.0),
            )
        along, lateral = self._place()
        self._event('takeoff', along, lateral, liftoff_roll_ft=along - start)
        self.tas += self._head_fps(course)
        self.on_ground = False

    # --- in the air ---------------------------------------------------------------------------------------------

    def climb_out(self, turn_height_ft: float) -> None:
        """Runway heading until it is time to turn."""
        course = self.strip.course_rad
        while self.above_ft < turn_height_ft:
            _, lateral = self._place()
            slow = self.tas < self.plane.climb_kt * KT - 5
            self._air(
                bank=self._bank_for(course, lateral, reach_ft=1_500, bank_deg=20),
                vz=self.plane.climb_fpm / 60 * (0.5 if slow else 1.0),
                tas=self.plane.climb_kt * KT,
                vz_accel=2.5,
            )

    def _level(self, altitude_ft: float, climb_fpm: float) -> float:
        return limited((altitude_ft - self.height) / 5, climb_fpm / 60)

    def _leg(self, relative: float, cross_line: float, *, until: str, target: float, altitude_ft: float) -> None:
        """Fly along a line of the runway's axes until a place is reached.

        :param relative: course less runway course [rad]
        :param cross_line: where the line lies across itself, in the runway's axes turned by ``relative``
        :param until: 'along' or 'lateral', which of them must pass the target in the direction flown
        """
        course = self.strip.course_rad + relative
        c, s = math.cos(relative), math.sin(relative)
        climbing = self.height < altitude_ft - 80
        for _ in range(int(900 / STEP_S)):
            along, lateral = self._place()
            ahead = along if until == 'along' else lateral
            direction = c if until == 'along' else s
            if (ahead - target) * direction > 0:
                return
            cross = lateral * c - along * s - cross_line
            speed = self.plane.climb_kt if climbing and self.height < altitude_ft - 60 else self.plane.downwind_kt
            self._air(
                bank=self._bank_for(course, cross, reach_ft=1_800, bank_deg=25),
                vz=self._level(altitude_ft, self.plane.climb_fpm),
                tas=speed * KT,
            )

    def circle(self, altitude_ft: float, side: int) -> None:
        """A full circle for spacing."""
        round_rad, last = 0.0, self.heading
        while abs(round_rad) < 2 * math.pi - 0.3:
            self._air(bank=side * math.radians(22), vz=self._level(altitude_ft, 500), tas=self.plane.downwind_kt * KT)
            round_rad += turned(self.heading - last)
            last = self.heading

    def join(self, altitude_ft: float) -> None:
        """Fly to the downwind leg of a runway that has become the one in use."""
        side = self.strip.pattern_side
        goal = (self.strip.landing_length_ft * 0.7 + 3_000, side * self.student.spacing_ft)
        n, e = self.strip.to_plane(*goal)
        for _ in range(int(900 / STEP_S)):
            if math.hypot(n - self.n, e - self.e) < 1_800:
                return
            course = math.atan2(e - self.e, n - self.n)
            self._air(
                bank=self._bank_for(course, 0.0, reach_ft=2_000, bank_deg=25),
                vz=self._level(altitude_ft, self.plane.climb_fpm),
                tas=self.plane.downwind_kt * KT,
            )

    def pattern(self, lap: LapPlan, *, joining: bool) -> None:
        """Upwind, crosswind, downwind as far as the base turn."""
        side, student = self.strip.pattern_side, self.student
        altitude = self.ground.pattern_altitude_ft + float(
            self.rng.normal(student.altitude_bias_ft, student.altitude_spread_ft)
        )
        if not joining:
            self.climb_out(altitude - self.ground.elevation_ft - 300)
        radius = (self.plane.downwind_kt * KT) ** 2 / (G_FPS2 * math.tan(math.radians(22)))
        spacing = max(student.spacing_ft * float(self.rng.uniform(0.92, 1.08)), 2.3 * radius)
        if joining:
            self.join(altitude)
        else:
            along, _ = self._place()
            self._leg(
                side * math.pi / 2,
                -(along + 900) * side,
                until='lateral',
                target=side * (spacing - radius),
                altitude_ft=altitude,
            )
        if lap.three_sixty:
            self._leg(math.pi, -side * spacing, until='along', target=1_500, altitude_ft=altitude)
            self.circle(altitude, side)
        # abeam the aim point the descent begins; base when the aim is 45° behind the wing
        self._leg(math.pi, -side * spacing, until='along', target=lap.aim_ft, altitude_ft=altitude)
        self.altitude = altitude
        self.spacing = spacing

    def approach(self, lap: LapPlan) -> bool:
        """Descend along base and final down to the roundout; False when it went around or stayed above the runway."""
        plan = self._descent(lap)
        student = self.student
        leg: _Leg = 'final' if lap.straight_in else 'downwind'
        self.landing = LandingNotes()
        while True:
            along, lateral = self._place()
            wn, we = self._wind_here()
            ground_fps = math.hypot(self.tas * math.cos(self.heading) + wn, self.tas * math.sin(self.heading) + we)
            leg = self._leg_now(leg, plan, along, lateral, ground_fps)
            course, cross, to_go, wanted_kt = self._wanted(leg, plan, along, lateral)
            surface = self.strip.surface_ft(along)
            path = self.strip.surface_ft(plan.aim_ft) + to_go * plan.tan_path
            if student.drags_it_in and leg == 'final' and to_go > 1_500:
                path -= min(80.0, (to_go - 1_500) * 0.04)
            path = min(path, self.altitude)
            sink = -ground_fps * plan.tan_path if path < self.altitude - 1 else 0.0
            off_course = abs(turned(self.heading - self.strip.course_rad))
            near = leg == 'final' and off_course < 0.35 and abs(lateral - plan.centre_ft) < 200
            wander = self._wander.value
            self._air(
                bank=self._bank_for(
                    self.strip.course_rad + course,
                    cross,
                    reach_ft=600 if near else 1_500,
                    bank_deg=student.final_bank_deg if leg == 'final' and not near else (12 if near else 25),
                ),
                vz=limited(sink + (path - self.height) / 4 + 0.5 * wander, 20.0),
                tas=(wanted_kt + 0.8 * wander) * KT,
                accel=1.8,
            )
            along_now, lateral_now = self._place()
            if along < 0 <= along_now:
                self._cross_threshold()
            if leg != 'final' or along < -12_000:
                continue
            wheels = self.height - surface
            if self._gives_up(lap, wheels, lateral_now):
                return False
            descent = math.atan2(-self.vz, ground_fps)
            arc = self.tas**2 / (G_FPS2 * (plan.load - 1)) * (1 - math.cos(max(descent, 0.01)))
            if wheels < plan.hold_off_ft + arc + plan.roundout_error_ft or wheels < 1.0:
                self.landing.roundout_start_ft = along_now
                self._round_out(plan.load, plan.hold_off_ft)
                return lap.end != 'go_around'

    def _descent(self, lap: LapPlan) -> _Descent:
        """What this student means to fly, and how far off it will be, drawn once a lap."""
        student, rng = self.student, self.rng
        path_rad = math.radians(lap.path_angle_deg + float(rng.normal(0, 0.15)))
        aim_ft = lap.aim_ft + student.aim_bias_ft + float(rng.normal(0, student.aim_spread_ft))
        return _Descent(
            tan_path=math.tan(path_rad),
            aim_ft=aim_ft,
            approach_kt=self.plane.approach_kt + student.speed_bias_kt + float(rng.normal(0, student.speed_spread_kt)),
            load=1 + (self.plane.roundout_load_factor - 1) * float(rng.uniform(0.85, 1.2)),
            roundout_error_ft=student.roundout_height_bias_ft + float(rng.normal(0, student.roundout_height_spread_ft)),
            hold_off_ft=max(0.8, student.hold_off_height_ft * float(rng.uniform(0.8, 1.25))),
            base_at_ft=aim_ft - (self.spacing if not lap.straight_in else 0),
            centre_ft=float(rng.normal(0, student.centreline_spread_ft)),
        )

    def _leg_now(self, leg: _Leg, plan: _Descent, along: float, lateral: float, ground_fps: float) -> _Leg:
        """The leg that is flown from here: turns are begun a part of their radius before it."""
        radius = ground_fps**2 / (G_FPS2 * math.tan(math.radians(self.student.final_bank_deg - 4)))
        if leg == 'downwind' and along < plan.base_at_ft + radius * 0.6:
            return 'base'
        if leg == 'base' and lateral * self.strip.pattern_side < radius * 0.85 - self.student.overshoot_ft:
            return 'final'
        return leg

    def _wanted(self, leg: _Leg, plan: _Descent, along: float, lateral: float) -> tuple[float, float, float, float]:
        """Course against the runway's [rad], feet off the leg, feet to go to the aim point, and speed [kt]."""
        side, aim_ft = self.strip.pattern_side, plan.aim_ft
        if leg == 'downwind':
            to_go = abs(along - plan.base_at_ft) + self.spacing + (aim_ft - plan.base_at_ft)
            return math.pi, -lateral + side * self.spacing, to_go, 0.5 * (self.plane.downwind_kt + self.plane.base_kt)
        if leg == 'base':
            to_go = abs(lateral) + max(0.0, aim_ft - along)
            return -side * math.pi / 2, side * (along - plan.base_at_ft), to_go, self.plane.base_kt
        to_go = max(0.0, aim_ft - along) + max(0.0, abs(lateral) - 300)
        return 0.0, lateral - plan.centre_ft, to_go, plan.approach_kt

    def _gives_up(self, lap: LapPlan, wheels_ft: float, lateral_ft: float) -> bool:
        """Whether the approach ends here without a landing."""
        if lap.end == 'go_around' and wheels_ft < lap.give_up_height_ft and lap.give_up_height_ft > 15:
            return True
        if wheels_ft < 70 and abs(lateral_ft) > self.strip.width_ft / 2 + 10:
            return True  # nobody lands beside the runway
        return lap.end == 'low_approach' and wheels_ft < 35

    def go_around(self, lap: LapPlan) -> None:
        """Power, level, climb away; or along the runway first, low, when that was the exercise."""
        course = self.strip.course_rad
        kind = lap.end if lap.end == 'low_approach' else 'go_around'
        lowest = math.inf
        place = (0.0, 0.0)
        seen_s = self.time_s
        while True:
            along, lateral = self._place()
            wheels = self.height - self.strip.surface_ft(along)
            if wheels < lowest:
                lowest, place, seen_s = wheels, (along, lateral), self.time_s
            low = kind == 'low_approach' and along < self.strip.landing_length_ft * 0.75
            slow = self.tas < self.plane.climb_kt * KT - 6
            at_ft = 18 + lap.low_sway_ft * math.sin(2 * math.pi * self.time_s / 12)
            vz = limited((at_ft - wheels) / 2, 8.0) if low else self.plane.climb_fpm / 60 * (0.45 if slow else 1)
            self._air(
                bank=self._bank_for(course, lateral - lap.low_beside_ft, reach_ft=600, bank_deg=12),
                vz=vz,
                tas=(self.plane.approach_kt if low else self.plane.climb_kt) * KT,
                accel=2.5,
                vz_accel=max(2.5, 0.12 * G_FPS2),
            )
            if along < 0 <= self._place()[0]:
                self._cross_threshold()
            if not low and self.height - self.ground.elevation_ft > max(lowest, 0) + 120:
                break
        self._event(kind, *place, at_s=seen_s, lowest_ft=lowest)
        self.on_ground = False

    # --- the whole ----------------------------------------------------------------------------------------------

    def start_on_apron(self, runway: str, *, wait_s: float = 40.0) -> None:
        """Begin on the apron, taxi out and line up."""
        self.strip = self.ground.strips[runway]
        side = -self.strip.pattern_side
        beside = side * (self.strip.width_ft / 2 + 220)
        start = -self.strip.displaced_ft + 40
        self.n, self.e = self.strip.to_plane(self.strip.landing_length_ft * 0.45, beside + side * 200)
        self.heading = self.strip.course_rad + math.pi
        self.wait(wait_s)
        self.taxi([(self.strip.landing_length_ft * 0.45, beside), (start, beside)])
        self.wait(25)
        self.taxi([(start, 0), (start + 45, 0)], kt=7)

    def start_on_final(self, runway: str, *, distance_nm: float = 4.0, above_ft: float = 1_300.0) -> None:
        """Begin in the air on a long final."""
        self.strip = self.ground.strips[runway]
        self.n, self.e = self.strip.to_plane(-distance_nm * FT_PER_NM, 150)
        self.heading, self.on_ground = self.strip.course_rad, False
        self.altitude = self.ground.elevation_ft + above_ft
        self.height, self.tas, self.spacing = self.altitude, self.plane.downwind_kt * KT, 0.0

    def drill(self, times: int) -> None:
        """The hold-off at altitude, so often: down, round out, held level at idle until it stalls, sink, power, up."""
        top_ft = self.altitude
        for _ in range(times):
            self._steady(12.0, vz=-500 / 60, kt=self.plane.approach_kt)
            begun_s = self.time_s
            while self.tas > self.plane.touchdown_kt * KT:
                self._air(bank=0.0, vz=0.0, tas=0.0, accel=self.plane.hold_off_fps2, vz_accel=0.1 * G_FPS2)
            self._event('drill', *self._place(), held_s=self.time_s - begun_s)
            self._steady(3.0, vz=-9.0, kt=self.plane.touchdown_kt)
            while self.height < top_ft:
                self._steady(1.0, vz=self.plane.climb_fpm / 60, kt=self.plane.approach_kt)

    def descend_to(self, height_ft: float) -> None:
        """Straight ahead, with power."""
        while self.height > height_ft:
            self._steady(1.0, vz=-700 / 60, kt=self.plane.downwind_kt)

    def _steady(self, seconds: float, *, vz: float, kt: float) -> None:
        for _ in range(int(seconds / STEP_S)):
            self._air(bank=0.0, vz=vz, tas=kt * KT)

    def fly(self, laps: Sequence[LapPlan], *, taxi_back: bool = True) -> Flown:
        """Fly lap after lap; the last one that stops taxies back when asked."""
        for number, lap in enumerate(laps):
            strip = self.ground.strips[lap.runway]
            if self.on_ground:
                self.takeoff(from_roll=self.tas > 5)
            joining = strip.ident != self.strip.ident
            if not lap.straight_in:
                if joining:
                    self.climb_out(600)
                    self.strip = strip
                self.pattern(lap, joining=joining)
            landed = self.approach(lap)
            if landed:
                self.hold_off()
                self._after_touchdown(lap, last=number == len(laps) - 1, taxi_back=taxi_back)
            else:
                self.go_around(lap)
        if not self.on_ground:
            self.climb_out(self.ground.pattern_altitude_ft - self.ground.elevation_ft - 50)
        columns = np.array(self._rows).T
        states = dict(zip(COLUMNS, columns, strict=True))
        return Flown(ground=self.ground, wind=self.wind, states=states, events=self.events)

    def _after_touchdown(self, lap: LapPlan, *, last: bool, taxi_back: bool) -> None:
        event = len(self.events) - 1
        if lap.end == 'touch_and_go':
            self.roll_out(
                down_to_kt=self.plane.touchdown_kt * float(self.rng.uniform(0.55, 0.75)),
                brake_after_s=float(self.rng.uniform(3, 6)),
            )
        else:
            stopping = lap.end == 'stop_and_go'
            self.roll_out(down_to_kt=0.2 if stopping else 12.0, brake_after_s=float(self.rng.uniform(1, 2.5)))
            if stopping:
                self.wait(float(self.rng.uniform(5, 15)))
            elif taxi_back:
                along, _ = self._place()
                beside = -self.strip.pattern_side * (self.strip.width_ft / 2 + 220)
                self.taxi([(along + 60, beside * 0.3), (along + 60, beside)])
                if not last:
                    start = -self.strip.displaced_ft + 40
                    self.taxi([(start, beside)])
                    self.taxi([(start, 0), (start + 45, 0)], kt=7)
                else:
                    self.wait(30)
        self.events[event]['then'] = lap.end
