"""Crossing the threshold, rounding out, holding off, touching and rolling out, as a student does it."""

from __future__ import annotations

import math

from bullseye.core.basis.unknown import known_or
from bullseye.sim.air import KT
from bullseye.sim.motion import G_FPS2, STEP_S, Moving, limited, turned


class Landing(Moving):
    """A landing from the threshold to a stop."""

    def _cross_threshold(self) -> None:
        along, _ = self._place()
        row = self._rows[-1]
        self.landing.threshold = {
            'threshold_height_ft': self.height - self.strip.surface_ft(along),
            'threshold_groundspeed_kt': math.hypot(row[4], row[5]) / KT,
        }

    def _settle(self) -> tuple[float, float]:
        """Along the runway, and the heading that keeps the drift out."""
        along, _ = self._place()
        if along >= 0 and not self.landing.threshold:
            self._cross_threshold()
        wn, we = self._wind_here()
        course = self.strip.course_rad
        cross_wind = we * math.cos(course) - wn * math.sin(course)
        return along, course - math.asin(limited(cross_wind / max(self.tas, 40), 0.7))

    def _glide(self, accel: float, vz: float, drift_fps: float, crab_share: float) -> None:
        """One step just above the runway: vertical speed as given, the aeroplane straightened, drifting."""
        _, straight = self._settle()
        course = self.strip.course_rad
        self.tas += accel * STEP_S
        self.vz = vz
        self.height += vz * STEP_S
        wanted = course + crab_share * turned(straight - course)
        self.heading += limited(turned(wanted - self.heading), math.radians(6) * STEP_S)
        self.bank += limited(-self.bank, math.radians(10) * STEP_S)
        self.pitch = min(self.pitch + math.radians(1.5) * STEP_S, math.radians(9))
        gust = self._gust.value
        speed = self.tas - self._head_fps(course) + self._carry * gust
        vn = speed * math.cos(course) - drift_fps * math.sin(course)
        ve = speed * math.sin(course) + drift_fps * math.cos(course)
        self._note(vn, ve, self.tas + gust)

    def _round_out(self, load: float, hold_off_ft: float) -> None:
        """Along an arc until the descent has become a slow sink."""
        drag = self.plane.hold_off_fps2
        rise = (load - 1) * G_FPS2
        while self.vz < -0.45:
            along, _ = self._place()
            if self.height - self.strip.surface_ft(along) < 0.3:
                break
            wheels = self.height - self.strip.surface_ft(along)
            # seeing the ground come up, the student pulls more rather than level off in the grass
            room = max(wheels - 0.6 * hold_off_ft, 0.05)
            pull = max(rise, min(self.vz**2 / (2 * room), 0.3 * G_FPS2))
            self._glide(-drag, self.vz + pull * STEP_S, 0.0, 1.0)
        along, _ = self._place()
        self.landing.level_ft, self.landing.level_s = along, self.time_s

    def hold_off(self) -> None:
        """Sink slowly through the last feet while the speed goes, until the wheels touch."""
        student, rng = self.student, self.rng
        touch = (self.plane.touchdown_kt + float(rng.normal(0, student.touchdown_spread_kt))) * KT
        drag = self.plane.hold_off_fps2 * float(rng.uniform(0.93, 1.07))
        shape = float(rng.uniform(0.75, 1.3))
        drift = float(rng.normal(0, student.drift_spread_kt)) * KT
        crab = student.crab_left * float(rng.uniform(0.3, 1.4))
        balloon = float(rng.random()) < student.balloons
        along, _ = self._place()
        height = max(0.1, self.height - self.strip.surface_ft(along))
        excess = max(0.0, self.tas - touch)
        pulled_at = touch + excess * 0.6
        while True:
            along, _ = self._place()
            wheels = self.height - self.strip.surface_ft(along)
            if wheels <= 0.0:
                return self._touch(along, drift)
            share = (self.tas - touch) / excess if excess > 1.0 else 0.0
            if balloon and self.tas < pulled_at:
                for k in range(int(1.6 / STEP_S)):
                    self._glide(-drag * 1.2, 2.6 * math.sin(math.pi * k * STEP_S / 1.6), drift, crab)
                along, _ = self._place()
                height, excess, balloon = self.height - self.strip.surface_ft(along), self.tas - touch, False
                continue
            if share > 0.02:
                if student.sinks_late:
                    wanted, slope = height * share * (2 - share), 2 * (1 - share)
                else:
                    wanted, slope = height * share**shape, shape * share ** (shape - 1)
                vz = limited((wanted - wheels) / 0.3, 3.0) - height * slope * drag / excess
                vz = max(vz, -3.5) + self.strip.slope * self.tas
            else:
                vz = max(-2.2, self.vz - 1.5 * STEP_S)
            vz = min(vz, 0.6 + abs(self.strip.slope) * self.tas)
            self._glide(-drag, vz, drift * (1 - share if share > 0 else 1), crab + (1 - crab) * max(0.0, share))

    def _touch(self, along: float, drift_fps: float) -> None:
        """Note the first touch, then hop if the student bounces."""
        _, lateral = self._place()
        row, course = self._rows[-1], self.strip.course_rad
        sink = -(self.vz - self.strip.slope * math.hypot(row[4], row[5]))
        level_ft, level_s = known_or(self.landing.level_ft, along), known_or(self.landing.level_s, self.time_s)
        self._event(
            'touchdown',
            along,
            lateral,
            airspeed_kt=row[7],
            sink_fpm=sink * 60,
            crab_deg=math.degrees(turned(self.heading - course)),
            drift_kt=drift_fps / KT,
            bounces=0,
            roundout_start_ft=self.landing.roundout_start_ft,
            level_ft=level_ft,
            float_ft=along - level_ft,
            float_s=self.time_s - level_s,
            **self.landing.threshold,
        )
        if float(self.rng.random()) < self.student.bounces or sink > 4.5:
            self.events[-1]['bounces'] = 1
            up = float(self.rng.uniform(1.6, 3.2))
            while True:
                self._glide(-2.0, up, drift_fps * 0.5, 0.2)
                up -= 4.5 * STEP_S
                along, _ = self._place()
                if self.height <= self.strip.surface_ft(along):
                    break
        along, _ = self._place()
        self.height, self.on_ground = self.strip.surface_ft(along), True
        self.tas -= self._head_fps(course)

    def roll_out(self, *, down_to_kt: float, brake_after_s: float) -> None:
        """On the wheels: free at first, then braked, down to a speed or to the last of the runway."""
        course, start = self.strip.course_rad, self.time_s
        braking = self.plane.braking_fps2 * float(self.rng.uniform(0.5, 1.0))
        while self.tas > down_to_kt * KT:
            along, lateral = self._place()
            left_ft = self.strip.landing_length_ft - along
            needed = (self.tas**2 - (down_to_kt * KT) ** 2) / (2 * max(left_ft - 150, 30))
            free = self.time_s - start < brake_after_s
            accel = self.plane.rolling_fps2 if free else max(braking, min(needed, 14.0))
            self._rolling(accel=-accel, course=course, lateral_fps=limited(-lateral * 0.2, 2.0))
