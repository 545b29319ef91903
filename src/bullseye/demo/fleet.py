"""Aircraft and fields of Lantern Bay Flying School: invented, consistent, fictional."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Any

from bullseye.core.air.geo import RunwayFrame
from bullseye.core.basis.kinds import PatternSide, Surface
from bullseye.core.basis.unknown import known_or
from bullseye.core.exchange.geojson import airfield_to_geojson
from bullseye.core.fly.flows import usual_flows
from bullseye.core.given.aircraft import (
    Aircraft,
    AirspeedTable,
    FlapSetting,
    LandingTable,
    LegSetting,
    Particulars,
    SpeedLadder,
    TakeoffTable,
)
from bullseye.core.given.airfield import DepartureObstacle, GroundMark, Obstacle, RunwayEnd, RunwayExit

_TEMPERATURES_C = (0.0, 10.0, 20.0, 30.0, 40.0)
_ALTITUDES_FT = (0.0, 2_000.0, 4_000.0, 6_000.0, 8_000.0)


def _table(sea_level_ft: float) -> LandingTable:
    """A ground-roll table that grows as air thins: 3.6 % per 1,000 ft and 3.5 % per 10 °C, in tens of feet."""
    rows = tuple(
        tuple(
            float(round(sea_level_ft * (1 + 0.036 * altitude_ft / 1_000) * (1 + 0.0035 * (t - 15)), -1))
            for t in _TEMPERATURES_C
        )
        for altitude_ft in _ALTITUDES_FT
    )
    whole = tuple(tuple(float(round(roll_ft * 1.05 + 700, -1)) for roll_ft in row) for row in rows)
    return LandingTable(
        pressure_altitude_ft=_ALTITUDES_FT,
        temperature_c=_TEMPERATURES_C,
        ground_roll_ft=rows,
        over_50_ft_ft=whole,
    )


def _takeoff(sea_level_ft: float, over_50_ft: float, *weights_lb: float) -> TakeoffTable:
    """A takeoff table: roll grows 11 % per 1,000 ft and 9 % per 10 °C, and with the square of the weight, in tens."""

    def cells(base_ft: float) -> tuple[tuple[tuple[float, ...], ...], ...]:
        return tuple(
            tuple(
                tuple(
                    float(
                        round(
                            base_ft * 1.11 ** (altitude_ft / 1_000) * 1.009 ** (t - 15) * (w / weights_lb[-1]) ** 2, -1
                        )
                    )
                    for w in weights_lb
                )
                for t in _TEMPERATURES_C
            )
            for altitude_ft in _ALTITUDES_FT
        )

    return TakeoffTable(
        pressure_altitude_ft=_ALTITUDES_FT,
        temperature_c=_TEMPERATURES_C,
        weight_lb=weights_lb,
        ground_roll_ft=cells(sea_level_ft),
        over_50_ft_ft=cells(over_50_ft),
    )


def _ladder(*settings: tuple[float, str, str]) -> SpeedLadder:
    """Climb, downwind, abeam, base and final, each with speed, flap and power reference."""
    legs = ('climb', 'downwind', 'abeam', 'base', 'final')
    return SpeedLadder(
        **{leg: LegSetting(kias=k, flap=f, power=p) for leg, (k, f, p) in zip(legs, settings, strict=True)}
    )


def _speeds(*pairs: tuple[float, float]) -> AirspeedTable:
    return AirspeedTable(ias_kt=tuple(i for i, _ in pairs), cas_kt=tuple(c for _, c in pairs))


def _with_flows(aircraft: Aircraft, *before_takeoff: str) -> Aircraft:
    return replace(aircraft, flows=usual_flows(aircraft, *before_takeoff))


MARRAM_160 = Aircraft(
    name='Marram 160',
    callsign='Marram One Six Zero',
    landing_climb_fpm=450,
    fuel_burn_gph=8.5,
    particulars=Particulars(has_carburettor_heat=True),
    max_weight_lb=2_400,
    empty_weight_lb=1_450,
    demonstrated_crosswind_kt=15,
    blind_distance_ft=40,
    eye_height_ft=7.5,
    landing_table=_table(560),
    takeoff_table=_takeoff(860, 1_520, 1_900, 2_150, 2_400),
    rotate_kias=54,
    vx_kias=63,
    vy_kias=74,
    best_glide_kias=68,
    wing_mark_angle_deg=12,
    ladder=_ladder(
        (74, 'up', 'full'),
        (85, 'up', '2,200 rpm'),
        (75, 'half', '1,500 rpm'),
        (70, 'half', '1,500 rpm'),
        (63, 'full', '1,400 rpm'),
    ),
    flaps=(
        FlapSetting(
            name='up',
            stall_kcas=54,
            airspeed_table=_speeds((45, 53), (50, 56), (60, 63), (70, 71), (80, 80), (100, 99)),
            normal_approach_kias=72,
            power_off_approach_kias=70,
            idle_path_angle_deg=5.6,
        ),
        FlapSetting(
            name='half',
            stall_kcas=50,
            airspeed_table=_speeds((42, 50), (50, 54), (60, 62), (70, 70.5), (80, 79.5)),
            normal_approach_kias=67,
        ),
        FlapSetting(
            name='full',
            stall_kcas=47.5,
            airspeed_table=_speeds((38, 47), (45, 50), (50, 53), (60, 61), (70, 70), (80, 79)),
            normal_approach_kias=63,
            short_field_approach_kias=60,
            power_off_approach_kias=65,
            idle_path_angle_deg=6.8,
        ),
    ),
)

SORREL_200R = Aircraft(
    name='Sorrel 200R',
    landing_climb_fpm=520,
    fuel_burn_gph=11.0,
    particulars=Particulars(has_carburettor_heat=False, propeller='variable', gear_limit_kias=125),
    max_weight_lb=2_750,
    empty_weight_lb=1_780,
    demonstrated_crosswind_kt=17,
    blind_distance_ft=48,
    eye_height_ft=7.2,
    deceleration_fps2=2.9,
    landing_table=_table(720),
    takeoff_table=_takeoff(1_020, 1_760, 2_200, 2_500, 2_750),
    rotate_kias=62,
    vx_kias=75,
    vy_kias=88,
    best_glide_kias=79,
    wing_mark_angle_deg=11,
    is_retractable=True,
    ladder=_ladder(
        (88, 'up', 'full'),
        (95, 'up', '18 in, gear down'),
        (88, 'up', '15 in'),
        (80, 'full', '14 in'),
        (73, 'full', '13 in'),
    ),
    flaps=(
        FlapSetting(
            name='up',
            stall_kcas=62,
            airspeed_table=_speeds((55, 60), (65, 67), (75, 76), (90, 90), (120, 119)),
            normal_approach_kias=82,
        ),
        FlapSetting(
            name='full',
            stall_kcas=54,
            airspeed_table=_speeds((48, 54), (55, 58), (65, 66), (75, 75), (90, 89)),
            normal_approach_kias=73,
            short_field_approach_kias=69,
            power_off_approach_kias=76,
            idle_path_angle_deg=7.2,
        ),
    ),
)

BRAMBLE_90T = Aircraft(
    name='Bramble 90T',
    landing_climb_fpm=480,
    fuel_burn_gph=5.5,
    particulars=Particulars(undercarriage='tailwheel', has_carburettor_heat=True),
    max_weight_lb=1_350,
    empty_weight_lb=820,
    blind_distance_ft=95,
    eye_height_ft=6.0,
    deceleration_fps2=3.7,
    landing_table=_table(420),
    takeoff_table=_takeoff(610, 1_240, 1_350),
    rotate_kias=42,
    vx_kias=50,
    vy_kias=57,
    best_glide_kias=52,
    wing_mark_angle_deg=14,
    ladder=_ladder(
        (57, 'none', 'full'),
        (65, 'none', '2,100 rpm'),
        (60, 'none', '1,300 rpm'),
        (55, 'none', '1,300 rpm'),
        (52, 'none', '1,200 rpm'),
    ),
    flaps=(
        FlapSetting(
            name='none',
            stall_kcas=38,
            airspeed_table=_speeds((32, 36), (40, 42), (50, 50.5), (60, 60), (80, 79)),
            normal_approach_kias=52,
            power_off_approach_kias=55,
            idle_path_angle_deg=6.2,
        ),
    ),
)

MARRAM_160 = _with_flows(
    MARRAM_160, 'fuel on fullest', 'flap as briefed', 'trim set', 'magnetos, 2 drops', 'hatches and harness'
)
SORREL_200R = _with_flows(
    SORREL_200R, 'fuel on fullest', 'flap as briefed', 'trim set', 'propeller cycled', 'hatches and harness'
)
BRAMBLE_90T = _with_flows(BRAMBLE_90T, 'fuel on', 'trim set', 'magnetos, 2 drops', 'stick back', 'harness')
AIRCRAFT = {aircraft.name: aircraft for aircraft in (MARRAM_160, SORREL_200R, BRAMBLE_90T)}


@dataclass(frozen=True, slots=True, kw_only=True)
class DemoField:
    """A made-up field: name, pattern altitude, and its runway ends with their threshold places."""

    name: str
    ident: str
    elevation_ft: float
    pattern_altitude_ft: float
    lat_deg: float
    lon_deg: float
    ends: tuple[tuple[RunwayEnd, float, float], ...]
    marks: tuple[GroundMark, ...] = ()


def _runway(
    *,
    lat_deg: float,
    lon_deg: float,
    idents: tuple[str, str],
    course_deg_true: float,
    length_ft: float,
    width_ft: float,
    elevation_ft: float,
    variation_deg: float,
    surface: Surface = 'asphalt',
    displaced_far_ft: float = 0.0,
    slope_pct: float = 0.0,
    obstacle_near: Obstacle | None = None,
    aiming_marks_ft: float | None = None,
    sides: tuple[PatternSide, PatternSide] = ('left', 'left'),
    preferred: str | None = None,
    exits_ft: Mapping[str, float] | None = None,
) -> tuple[tuple[RunwayEnd, float, float], ...]:
    """Both ends of a runway whose first end starts at the given place; the second may be displaced."""
    frame = RunwayFrame(threshold_lat_deg=lat_deg, threshold_lon_deg=lon_deg, course_deg_true=course_deg_true)
    far = frame.place(along_ft=length_ft - displaced_far_ft)
    rise_ft = length_ft * slope_pct / 100

    def at_ft(ident: str, from_first_ft: float) -> float:
        """An exit from the landing threshold of an end; exits are counted from the first."""
        return from_first_ft if ident == idents[0] else length_ft - displaced_far_ft - from_first_ft

    def end(
        ident: str, course: float, elevation: float, slope: float, displaced: float, obstacle: Obstacle | None
    ) -> RunwayEnd:
        return RunwayEnd(
            ident=ident,
            course_deg_true=course,
            length_ft=length_ft,
            width_ft=width_ft,
            elevation_ft=elevation,
            displaced_threshold_ft=displaced,
            slope_pct=slope,
            surface=surface,
            magnetic_variation_deg=variation_deg,
            obstacle=obstacle,
            aiming_marks_ft=aiming_marks_ft,
            # what stands before one end stands beyond the other
            departure_obstacle=(
                DepartureObstacle(height_ft=obstacle_near.height_ft, beyond_end_ft=obstacle_near.before_threshold_ft)
                if obstacle_near and ident == idents[1]
                else None
            ),
            pattern_side=sides[idents.index(ident)],
            preferred=ident == preferred,
            exits=tuple(RunwayExit(name=name, at_ft=at_ft(ident, ft)) for name, ft in known_or(exits_ft, {}).items()),
        )

    first = end(idents[0], course_deg_true, elevation_ft, slope_pct, 0.0, obstacle_near)
    second = end(
        idents[1], (course_deg_true + 180) % 360, elevation_ft + rise_ft, 0.0 - slope_pct, displaced_far_ft, None
    )
    return ((first, lat_deg, lon_deg), (second, *far))


FIELDS = (
    DemoField(
        marks=(
            GroundMark(name='light on the rock', latitude_deg=47.2160, longitude_deg=-38.4138, use='downwind'),
            GroundMark(name='boat sheds', latitude_deg=47.1940, longitude_deg=-38.4253, use='base'),
        ),
        name='Lantern Bay',
        ident='LANT',
        elevation_ft=38,
        pattern_altitude_ft=1_040,
        lat_deg=47.2,
        lon_deg=-38.4,
        ends=_runway(
            lat_deg=47.2,
            lon_deg=-38.4,
            idents=('05', '23'),
            course_deg_true=38,
            length_ft=2_790,
            width_ft=60,
            elevation_ft=38,
            variation_deg=-12.4,
            displaced_far_ft=260,
            aiming_marks_ft=1_000,
            sides=('left', 'right'),  # both over the water
            preferred='23',
            exits_ft={'A': 880.0, 'B': 1_620.0},
        )
        + _runway(
            lat_deg=47.206,
            lon_deg=-38.402,
            idents=('14', '32'),
            course_deg_true=128,
            length_ft=1_970,
            width_ft=100,
            elevation_ft=36,
            variation_deg=-12.4,
            surface='grass',
        ),
    ),
    DemoField(
        name='Cairn Moss',
        ident='CAIR',
        elevation_ft=4_180,
        pattern_altitude_ft=5_200,
        lat_deg=46.5,
        lon_deg=-39.1,
        ends=_runway(
            lat_deg=46.5,
            lon_deg=-39.1,
            idents=('18', '36'),
            course_deg_true=168,
            length_ft=3_610,
            width_ft=75,
            elevation_ft=4_180,
            variation_deg=-12.5,
            slope_pct=1.6,
        ),
    ),
    DemoField(
        name='Gannet Holm',
        ident='GANN',
        elevation_ft=62,
        pattern_altitude_ft=1_060,
        lat_deg=47.9,
        lon_deg=-37.6,
        ends=_runway(
            lat_deg=47.9,
            lon_deg=-37.6,
            idents=('09', '27'),
            course_deg_true=78,
            length_ft=1_480,
            width_ft=80,
            elevation_ft=62,
            variation_deg=-12.3,
            surface='grass',
            obstacle_near=Obstacle(height_ft=35, before_threshold_ft=480),
        ),
    ),
)


def field_files() -> dict[str, dict[str, Any]]:
    """The made-up fields as GeoJSON, by ident in lower case."""
    return {
        field.ident.lower(): airfield_to_geojson(
            name=field.name,
            ident=field.ident,
            elevation_ft=field.elevation_ft,
            pattern_altitude_ft=field.pattern_altitude_ft,
            ends=field.ends,
            marks=field.marks,
        )
        for field in FIELDS
    }
