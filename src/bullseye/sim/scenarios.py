"""Flights to ask for by name: what is flown, by whom, in which wind."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from typing import Any

import numpy as np

from bullseye.sim.air import Wind
from bullseye.sim.flight import Flight, Flown
from bullseye.sim.ground import read_ground
from bullseye.sim.pilot import Aeroplane, LapEnd, LapPlan, Student, any_aeroplane, any_student


@dataclass(frozen=True, kw_only=True)
class Scenario:
    """One kind of flight. An empty runway is the first of the field; ``air`` starts it on a long final."""

    words: str
    laps: tuple[LapEnd, ...] = ('touch_and_go',) * 4 + ('full_stop',)
    wind: Wind = field(default_factory=lambda: Wind(from_deg_true=60, speed_kt=7, gust_sd_kt=0.8))
    student: Student = field(default_factory=Student)
    starts_on_final: bool = False
    ends_in_air: bool = False
    taxi_only: bool = False
    three_sixty_on: int | None = None
    runway_from: Mapping[int, int] = field(default_factory=dict)  # lap number: which runway of the field
    give_up_ft: tuple[float, ...] = (60.0,)
    low_passes: tuple[tuple[float, float], ...] = ((0.0, 0.0),)  # swaying, and beside the centreline [ft]
    drills: int = 0  # hold-offs at altitude before anything else
    starts_landing: bool = False


SCENARIOS: dict[str, Scenario] = {
    'pattern': Scenario(words='four touch-and-goes and a full stop'),
    'full-stop': Scenario(words='one lap to a full stop', laps=('full_stop',)),
    'ten-laps': Scenario(words='nine touch-and-goes and a full stop', laps=('touch_and_go',) * 9 + ('full_stop',)),
    'mixed': Scenario(
        words='touch-and-go, go-around, low approach, stop-and-go, full stop',
        laps=('touch_and_go', 'go_around', 'low_approach', 'stop_and_go', 'full_stop'),
        give_up_ft=(50.0,),
    ),
    'low-passes': Scenario(
        words='along the runway: steady over the centreline, then up and down and beside it',
        laps=('low_approach', 'low_approach', 'full_stop'),
        low_passes=((0.0, 0.0), (13.0, 28.0)),
    ),
    'deck': Scenario(
        words='three hold-offs at altitude, then a landing straight in',
        laps=('full_stop',),
        starts_on_final=True,
        drills=3,
    ),
    'go-arounds': Scenario(
        words='go-arounds from 250, 60 and 8 ft, then a landing',
        laps=('go_around', 'go_around', 'go_around', 'full_stop'),
        give_up_ft=(250.0, 60.0, 8.0),
    ),
    'gusty': Scenario(
        words='a crosswind with gusts; the student is fast and drifts',
        wind=Wind(from_deg_true=85, speed_kt=15, gust_sd_kt=2.2),
        student=Student(speed_bias_kt=5, speed_spread_kt=3, drift_spread_kt=1.6, crab_left=0.5),
    ),
    'always-long': Scenario(words='a student who aims at the spot itself', student=Student(aim_bias_ft=280)),
    'bouncing': Scenario(words='balloons and bounces', student=Student(balloons=0.6, bounces=0.7)),
    'late-sink': Scenario(
        words='held off level, and let down only at the end', student=Student(sinks_late=True, hold_off_height_ft=2.8)
    ),
    'long-floats': Scenario(words='over the threshold seven knots too fast', student=Student(speed_bias_kt=7)),
    'dragged-in': Scenario(words='low and slow on every final', student=Student(drags_it_in=True, speed_bias_kt=-1)),
    'overshooting': Scenario(
        words='final overshot, over-banked back', student=Student(overshoot_ft=500, final_bank_deg=38)
    ),
    'spacing': Scenario(words='a full circle on downwind', laps=('touch_and_go', 'full_stop'), three_sixty_on=1),
    'broken-off': Scenario(
        words='four approaches, all broken off between 100 and 300 ft; nothing is landed',
        laps=('go_around',) * 4,
        starts_on_final=True,
        give_up_ft=(180.0, 290.0, 120.0, 230.0),
    ),
    'straight-in': Scenario(words='starts in the air, four miles out', laps=('full_stop',), starts_on_final=True),
    'ends-in-air': Scenario(words='the recorder stops in the climb', laps=('touch_and_go',) * 2, ends_in_air=True),
    'taxi': Scenario(words='taxi only: no event', laps=(), taxi_only=True),
    'runway-change': Scenario(
        words='the wind turns round after two laps', laps=('touch_and_go',) * 3 + ('full_stop',), runway_from={2: 1}
    ),
}


def scenario_flight(
    name: str,
    *,
    field_data: Mapping[str, Any],
    seed: int,
    runway: str | None = None,
    aeroplane: Aeroplane | None = None,
) -> Flown:
    """Fly a scenario at a field.

    :raises ValueError: for a runway the field does not have, or a field without runways
    """
    scenario, ground, rng = SCENARIOS[name], read_ground(field_data), np.random.default_rng(seed)
    idents = list(ground.strips)
    first = runway or idents[0]
    if first not in idents:
        raise ValueError(f'{ground.name} has no runway {first}; it has {", ".join(idents)}')
    second = idents[idents.index(first) ^ 1]  # the other end of it
    wind = scenario.wind
    if runway:  # the wind of the scenario is told for the first runway; it turns with the one in use
        turn = ground.strips[first].course_rad - ground.strips[idents[0]].course_rad
        wind = replace(wind, from_deg_true=(wind.from_deg_true + float(np.degrees(turn))) % 360)
    flight = Flight(ground, wind=wind, aeroplane=aeroplane or Aeroplane(), student=scenario.student, rng=rng)
    laps, current = [], first
    heights = iter(scenario.give_up_ft * len(scenario.laps))
    passes = iter(scenario.low_passes * len(scenario.laps))
    for number, end in enumerate(scenario.laps):
        current = second if scenario.runway_from.get(number) else current
        sway_ft, beside_ft = next(passes) if end == 'low_approach' else (0.0, 0.0)
        laps.append(
            LapPlan(
                end=end,
                runway=current,
                aim_ft=float(rng.uniform(60, 220)),
                give_up_height_ft=next(heights) if end == 'go_around' else 60.0,
                three_sixty=scenario.three_sixty_on == number,
                straight_in=scenario.starts_on_final and number == 0,
                low_sway_ft=sway_ft,
                low_beside_ft=beside_ft,
            )
        )
    if scenario.starts_on_final:
        if scenario.drills:
            flight.start_on_final(first, distance_nm=7.0 + scenario.drills, above_ft=3_200.0)
            flight.drill(scenario.drills)
            flight.descend_to(ground.elevation_ft + 1_300)
        else:
            flight.start_on_final(first)
    else:
        flight.start_on_apron(first)
    if scenario.taxi_only:
        flight.taxi([(900, 0), (900, flight.strip.width_ft + 200)])
    return flight.fly(laps)


def any_field(
    rng: np.random.Generator, *, parallel: bool = False, crossing: bool = False, long: bool = False
) -> dict[str, Any]:
    """A made-up field somewhere on the earth, as GeoJSON; nothing about it is real."""
    from bullseye.sim.ground import _EARTH, FT

    lat, lon = (float(rng.uniform(-most, most)) for most in (60, 180))
    elevation = float(rng.choice([rng.uniform(-200, 300), rng.uniform(300, 7_000)]))
    length = float(rng.uniform(5_500, 9_000) if long else rng.uniform(2_200, 6_500))
    width = float(rng.choice([60, 75, 100, 150]))
    course = float(rng.uniform(0, 360))
    features: list[dict[str, Any]] = []

    def runway(lon_a: float, lat_a: float, course_deg: float, letter: tuple[str, str]) -> None:
        lon_b, lat_b, _ = _EARTH.fwd(lon_a, lat_a, course_deg, length * FT)
        number = round(course_deg / 10) % 36 or 36
        other = (number + 17) % 36 + 1
        rise = float(rng.normal(0, 0.006)) * length
        shift = [float(rng.choice([0, 0, 0, rng.uniform(100, 600)])) for _ in range(2)]
        features.append(
            {
                'type': 'Feature',
                'geometry': {'type': 'LineString', 'coordinates': [[lon_a, lat_a], [lon_b, lat_b]]},
                'properties': {
                    'kind': 'runway',
                    'width_ft': width,
                    'surface': 'asphalt',
                    'ends': [
                        {
                            'ident': f'{which:02d}{suffix}',
                            'elevation_ft': elevation + up,
                            'displaced_threshold_ft': displaced,
                            'pattern': str(rng.choice(['left', 'right'])),
                            'path_angle_deg': 3.0,
                        }
                        for which, suffix, up, displaced in (
                            (number, letter[0], 0.0, shift[0]),
                            (other, letter[1], rise, shift[1]),
                        )
                    ],
                },
            }
        )

    runway(lon, lat, course, ('L', 'R') if parallel else ('', ''))
    if parallel:
        lon_2, lat_2, _ = _EARTH.fwd(lon, lat, course + 90, 500 * FT)
        runway(lon_2, lat_2, course, ('R', 'L'))
    if crossing:
        lon_m, lat_m, _ = _EARTH.fwd(lon, lat, course, length * 0.4 * FT)
        turned = (course + float(rng.uniform(50, 130))) % 360
        lon_2, lat_2, _ = _EARTH.fwd(lon_m, lat_m, turned + 180, length * 0.4 * FT)
        runway(lon_2, lat_2, turned, ('', ''))
    about = {'kind': 'airfield', 'name': 'Made-up field', 'ident': 'MADE', 'elevation_ft': elevation}
    about['pattern_altitude_ft'] = elevation + 1_000
    point = {'type': 'Feature', 'geometry': {'type': 'Point', 'coordinates': [lon, lat]}, 'properties': about}
    return {'type': 'FeatureCollection', 'features': [point, *features]}


def any_flight(
    seed: int,
    *,
    laps: int = 4,
    sinks_late: bool = False,
    floats_long: bool = False,
    fast: bool = False,
    broken_off: bool = False,
    parallel: bool = False,
) -> Flown:
    """A flight of any kind at any field in any wind: what accuracy is measured on.

    :param sinks_late: every hold-off is level at first, and let down at its end
    :param floats_long: over the threshold some seven knots too fast
    :param fast: an aeroplane half as fast again as the trainers
    :param broken_off: nothing is landed: it comes in from far out, and every approach is given up at 100 to 300 ft
    :param parallel: always at a field with two runways side by side
    """
    rng = np.random.default_rng(seed)
    kind = 'parallel' if parallel else rng.choice(['one', 'one', 'parallel', 'crossing'])
    ground = read_ground(any_field(rng, parallel=kind == 'parallel', crossing=kind == 'crossing', long=fast))
    runway = str(rng.choice(list(ground.strips)))
    course = float(np.degrees(ground.strips[runway].course_rad))
    speed = float(rng.uniform(0, 18))
    wind = Wind(
        from_deg_true=(course + float(rng.normal(0, 35))) % 360,
        speed_kt=speed,
        shear=float(rng.uniform(0.08, 0.22)),
        veer_deg_per_1000_ft=float(rng.uniform(0, 12)),
        gust_sd_kt=float(rng.uniform(0, 0.12)) * speed,
        gust_s=float(rng.uniform(2, 6)),
    )
    aeroplane, student = any_aeroplane(rng, fast=fast), replace(any_student(rng), sinks_late=sinks_late)
    if floats_long:
        student = replace(student, speed_bias_kt=student.speed_bias_kt + 7)
    flight = Flight(ground, wind=wind, aeroplane=aeroplane, student=student, rng=rng)
    room = ground.strips[runway].landing_length_ft
    ends: list[LapEnd] = ['touch_and_go', 'go_around', 'low_approach', 'stop_and_go', 'full_stop']
    chance = [0.55, 0.15, 0.06, 0.08, 0.16] if room > 3_200 else [0.1, 0.15, 0.06, 0.0, 0.69]
    plan = [
        LapPlan(
            end=end,
            runway=runway,
            aim_ft=float(rng.uniform(50, min(500, room * 0.15))),
            path_angle_deg=float(rng.uniform(2.8, 4.2)),
            give_up_height_ft=float(rng.choice([10, 30, 80, 200])),
        )
        for end in [*(ends[int(k)] for k in rng.choice(5, size=laps - 1, p=chance)), ends[4]]
    ]
    if broken_off:
        flight.start_on_final(runway)
        return flight.fly(
            [
                replace(one, end='go_around', straight_in=number == 0, give_up_height_ft=float(rng.uniform(100, 300)))
                for number, one in enumerate(plan)
            ]
        )
    flight.start_on_apron(runway)
    return flight.fly(plan)
