"""The standard scene, each figure worked out here on its own and held from both sides."""

import dataclasses
import math
from dataclasses import replace

import ephem
import numpy as np
import pytest
from scipy.interpolate import RegularGridInterpolator

from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.setup import landing_setup
from bullseye.core.brief.whatif import compare
from bullseye.core.brief.whole import make_parts
from bullseye.core.explain.diagnosis import diagnose
from bullseye.core.measure.lap import MeasuredLap
from bullseye.core.model.deceleration import prior_fps2
from bullseye.core.model.touchdown import predict
from tests.core import scene as day
from tests.core.model.integrated import touchdown_from_aim_ft

FT_PER_S_PER_KT = 1_852 / 0.3048 / 3_600
OFF_RAD = math.radians(day.WIND_FROM_DEG_TRUE - day.COURSE_DEG_TRUE)
HEAD_KT, CROSS_KT = day.WIND_KT * math.cos(OFF_RAD), day.WIND_KT * math.sin(OFF_RAD)


@pytest.fixture(scope='module')
def request_():
    return day.scene()


@pytest.fixture(scope='module')
def brief(request_):
    return make_brief(request_)


@pytest.fixture(scope='module')
def parts(request_, brief):
    return make_parts(request_, day.plan_of(request_), brief)


def pressure_altitude_ft() -> float:
    """[pub] U.S. Standard Atmosphere 1976, in the form of the altimeter: 145,366 ft and the power 0.1903."""
    return day.ELEVATION_FT + (1 - (day.QNH_HPA / 1_013.25) ** 0.190284) * 145_366.45


def density_ratio() -> float:
    """Pressure of the standard atmosphere at that altitude, by the gas law at the temperature of the day."""
    pressure = 1_013.25 * (1 - 6.8756e-6 * pressure_altitude_ft()) ** 5.2559
    return pressure / 1_013.25 * 288.15 / (273.15 + day.TEMPERATURE_C)


def test_air_and_wind(brief):
    assert brief.wind.pressure_altitude_ft == pytest.approx(pressure_altitude_ft(), abs=3)
    assert brief.wind.headwind_kt == pytest.approx(HEAD_KT, abs=0.01)
    assert brief.wind.crosswind_kt == pytest.approx(CROSS_KT, abs=0.01)
    assert CROSS_KT < -5  # from the left
    assert brief.wind.gust_crosswind_kt == pytest.approx(CROSS_KT * day.GUST_KT / day.WIND_KT, abs=0.01)
    assert brief.wind.gust_headwind_kt == pytest.approx(HEAD_KT * day.GUST_KT / day.WIND_KT, abs=0.01)
    assert brief.wind.wind_dir_deg_mag == pytest.approx(day.WIND_FROM_DEG_TRUE - day.VARIATION_DEG)
    # [pub] density altitude from the density ratio: 145,442 ft (1 - sigma^0.235)
    assert brief.wind.density_altitude_ft == pytest.approx(145_442 * (1 - density_ratio() ** 0.234969), abs=25)
    assert [limit.within for limit in brief.wind.crosswind_limits] == [True]


def test_speeds(request_, brief):
    aircraft, flap = request_.aircraft, request_.aircraft.flaps[-1]
    root = math.sqrt(day.WEIGHT_LB / aircraft.max_weight_lb)
    table = flap.airspeed_table
    book_kcas = table.calibrated_kt(flap.normal_approach_kias)
    # [pub] FAA-H-8083-3: half the gust factor; the square root of the weight
    kias = table.indicated_kt(book_kcas * root) + (day.GUST_KT - day.WIND_KT) / 2
    assert brief.speed.approach_speed_kias == pytest.approx(kias, abs=0.6)
    ktas = table.calibrated_kt(brief.speed.approach_speed_kias) / math.sqrt(density_ratio())
    assert brief.speed.approach_speed_ktas == pytest.approx(ktas, abs=1.3)  # what is lost before the roundout included
    assert brief.speed.approach_groundspeed_kt == pytest.approx(brief.speed.approach_speed_ktas - HEAD_KT, abs=0.01)
    ground_fpm = brief.speed.approach_groundspeed_kt * FT_PER_S_PER_KT * 60
    assert brief.speed.descent_rate_fpm == pytest.approx(ground_fpm * math.tan(math.radians(3.6)), rel=0.01)
    assert brief.speed.stall_speed_kias == pytest.approx(table.indicated_kt(flap.stall_kcas * root), abs=0.05)


def test_touchdown_by_the_forces(request_):
    approach = landing_setup(request_).approach
    forces_ft = touchdown_from_aim_ft(
        v0_kt=approach.speed_ktas,
        vt_kt=approach.touchdown_ktas,
        gamma_deg=3.6,
        eye_ft=request_.aircraft.eye_height_ft,
        a=approach.deceleration_fps2,
        head_kt=HEAD_KT,
        slope=day.SLOPE_PCT / 100,
        wing_ft=request_.aircraft.wing_over_wheels_ft,
        z0_ft=0.1 / 0.3048,  # [pub] WMO-No. 8, Davenport's roughly open
        n=approach.load_factor,
    )
    assert predict(approach).touchdown_ft == pytest.approx(forces_ft, abs=10)


def test_aim_wheels_and_band(request_, brief):
    box_ft = request_.standard.tolerance('normal')
    low_ft, high_ft = day.SPOT_FT + box_ft.touchdown_from_ft, day.SPOT_FT + box_ft.touchdown_to_ft
    assert brief.aim.box_ft == (low_ft, high_ft)
    assert brief.touchdown.predicted_touchdown_ft == pytest.approx((low_ft + high_ft) / 2)
    band = brief.touchdown.predicted_band_ft
    assert band[0] < brief.touchdown.predicted_touchdown_ft < band[1]
    # the wheels hang below the eyes, over pavement that begins before the threshold and lies lower
    closing = math.tan(math.radians(3.6)) + day.SLOPE_PCT / 100
    wheels_ft = (brief.aim.aim_point_ft + day.DISPLACED_FT) * closing - request_.aircraft.eye_height_ft
    assert brief.aim.wheels_over_pavement_ft == pytest.approx(wheels_ft, abs=0.05)
    assert brief.aim.aim_is_good, brief.aim.aim_problems
    assert brief.aim.best_hit_chance >= brief.aim.hit_chance
    best = make_brief(day.scene(aim_point_ft=brief.aim.best_aim_point_ft)).aim
    assert best.hit_chance == pytest.approx(brief.aim.best_hit_chance, abs=1e-9)
    # [pub] FAA AC 150/5340-1: a stripe and its gap are 200 ft
    before_ft = day.SPOT_FT - brief.aim.aim_point_ft
    assert str(brief.aim.aim_before_spot_words).startswith(f'{round(before_ft, -1):,.0f} ft before the spot, ')
    assert 'stripe' in str(brief.aim.aim_before_spot_words)
    spot_ft = brief.aim.nearest_good_spot_ft
    assert make_brief(day.scene(spot_ft=math.ceil(spot_ft) + 1)).aim.aim_is_good
    assert not make_brief(day.scene(spot_ft=max(0, math.floor(spot_ft) - 12))).aim.aim_is_good


def _table(values, table, weight_lb=None):
    """[general library] SciPy's own interpolation of the printed table."""
    axes = [np.array(table.pressure_altitude_ft), np.array(table.temperature_c)]
    place = [pressure_altitude_ft(), day.TEMPERATURE_C]
    if weight_lb is not None:
        axes.append(np.array(table.weight_lb))
        place.append(weight_lb)
    return float(RegularGridInterpolator(axes, np.array(values))(place)[0])


def test_ground_roll_and_go_around_point(request_, brief):
    aircraft, table = request_.aircraft, request_.aircraft.landing_table
    weight = day.WEIGHT_LB / aircraft.max_weight_lb  # the square of the touchdown speed goes with the weight
    # [com] -10 % per 9 kt of headwind, 5 % per 1 % of slope; [pub] UK CAA: x 1.43, value from memory
    wind, slope = 1 - HEAD_KT / 90, 1 - 0.05 * day.SLOPE_PCT
    roll_ft = _table(table.ground_roll_ft, table) * weight * wind * slope
    assert brief.ground.ground_roll.expected_ft == pytest.approx(roll_ft, abs=2)
    assert brief.ground.ground_roll.factored_ft == pytest.approx(1.43 * roll_ft, abs=3)
    available_ft = day.LENGTH_FT - day.DISPLACED_FT
    assert brief.ground.roll_point_ft == pytest.approx(available_ft - 1.43 * roll_ft, abs=3)
    # [com] a go-around loses 50 fpm for each 1,000 ft of density altitude; what stands beyond is cleared by 30 ft [own],
    # after 5 s [own]
    climb_fpm = aircraft.landing_climb_fpm - 0.05 * brief.wind.density_altitude_ft
    assert brief.ground.go_around_climb_fpm == pytest.approx(climb_fpm)
    ground_fps = (brief.speed.approach_speed_ktas - HEAD_KT) * 6_076.115 / 3_600
    beyond = request_.runway.departure_obstacle
    rise_s = (beyond.height_ft + 30) / (climb_fpm / 60)
    climb_ft = available_ft + beyond.beyond_end_ft - ground_fps * (5 + rise_s)
    assert brief.ground.climb_point_ft == pytest.approx(climb_ft, abs=3)
    assert (brief.ground.go_around_point_ft, brief.ground.go_around_by) == (brief.ground.climb_point_ft, 'climb')
    # no climb entered, and something stands there: unknown, which is not a fit
    silent = replace(request_, aircraft=replace(aircraft, landing_climb_fpm=None))
    assert make_brief(silent).ground.box_fits is None


def test_takeoff(request_, parts):
    aircraft, table, found = request_.aircraft, request_.aircraft.takeoff_table, parts.takeoff
    wind = 1 - HEAD_KT / 90
    level_ft = _table(table.ground_roll_ft, table, day.WEIGHT_LB) * wind
    # mechanics: the mean acceleration of the level roll less gravity along the slope
    lift_off_kt = (
        aircraft.rotate_kias * math.sqrt(day.WEIGHT_LB / aircraft.max_weight_lb) / math.sqrt(density_ratio()) - HEAD_KT
    )
    level_fps2 = (lift_off_kt * 6_076.12 / 3_600) ** 2 / (2 * level_ft)
    roll_ft = level_ft * level_fps2 / (level_fps2 - 32.174 * day.SLOPE_PCT / 100)
    over_ft = _table(table.over_50_ft_ft, table, day.WEIGHT_LB) * wind + roll_ft - level_ft
    common = next(one for one in found.by_set if one.correction_set == 'common')
    assert common.ground_roll_ft == pytest.approx(roll_ft, abs=4)
    assert common.over_50_ft_ft == pytest.approx(over_ft, abs=6)
    assert found.runway_available_ft == day.LENGTH_FT  # a displaced threshold may be rolled from
    gradient = 50 / (found.over_50_ft_ft - found.ground_roll_ft)
    over_end_ft = 50 + (day.LENGTH_FT + 1_900 - found.over_50_ft_ft) * gradient
    rise_ft = day.SLOPE_PCT / 100 * (day.LENGTH_FT - found.ground_roll_ft)
    assert found.obstacle_clearance_ft == pytest.approx(over_end_ft - rise_ft - 62, abs=0.5)
    assert found.first_turn_ft == day.ELEVATION_FT + 1_000 - 300  # [pub] AIM, AC 90-66
    course_deg_mag = day.COURSE_DEG_TRUE - day.VARIATION_DEG
    assert found.engine_out_sector_deg_mag == pytest.approx((course_deg_mag - 30, course_deg_mag + 30))
    root = math.sqrt(day.WEIGHT_LB / aircraft.max_weight_lb)
    assert (found.vx_kias, found.vy_kias) == pytest.approx((aircraft.vx_kias * root, aircraft.vy_kias * root))
    assert found.lift_off_speed_kias == pytest.approx(
        aircraft.rotate_kias * math.sqrt(day.WEIGHT_LB / aircraft.max_weight_lb), abs=3
    )


def test_pattern(parts):
    made = parts.pattern
    assert made.side == 'right'
    downwind = [point for point in made.path if point.leg == 'downwind']
    assert max(abs(point.lateral_ft) for point in downwind) == pytest.approx(0.8 * 6_076.1, abs=40)
    assert min(point.lateral_ft for point in downwind) > -60  # all of it to the right
    course_deg_mag = day.COURSE_DEG_TRUE - day.VARIATION_DEG
    tracks = {leg.leg: leg.track_deg_mag for leg in made.legs}
    turned = {'upwind': 0, 'crosswind': 90, 'downwind': 180, 'base': 270, 'final': 0}
    assert tracks == {leg: pytest.approx((course_deg_mag + more) % 360) for leg, more in turned.items()}
    # aloft 1.4 times as strong and 20 degrees farther to the right, in the north: still from the left of the runway
    assert made.wind_dir_deg_true == pytest.approx(day.WIND_FROM_DEG_TRUE + 20)
    assert made.wind_kt == pytest.approx(1.4 * day.WIND_KT)
    final = next(leg for leg in made.legs if leg.leg == 'final')
    assert final.crab_deg < -1  # into the wind from the left
    base = next(leg for leg in made.legs if leg.leg == 'base')
    turn = made.final_turn
    assert turn.begin_earlier_s == pytest.approx(turn.drift_ft / (base.groundspeed_kt * FT_PER_S_PER_KT))
    # base is flown to the left, towards the wind, which holds it back
    assert turn.drift_ft < 0
    assert made.path[0].leg == 'upwind'
    assert {point.leg for point in made.path} == set(turned)
    assert min(point.lateral_ft for point in made.path if point.leg == 'crosswind') > -120
    gates = {gate.name: gate for gate in made.gates}
    assert gates['abeam the spot'].altitude_ft == day.ELEVATION_FT + 1_000
    assert gates['abeam the spot'].along_ft == day.SPOT_FT
    on_final = gates['200 ft on final']
    assert on_final.along_ft < -1_000
    assert on_final.altitude_ft == pytest.approx(day.ELEVATION_FT + 200)


def test_the_mirrored_twin_in_the_south_differs_by_its_sides_alone(brief, parts):
    other = day.twin()
    answer = make_brief(other)
    assert answer.wind.crosswind_kt == pytest.approx(-brief.wind.crosswind_kt)
    assert answer.aim.aim_point_ft == pytest.approx(brief.aim.aim_point_ft)
    assert answer.aim.hit_chance == pytest.approx(brief.aim.hit_chance)
    assert answer.ground == brief.ground
    mirrored = make_parts(other, day.plan_of(other, is_northern=False), answer)
    for one, two in zip(parts.pattern.path, mirrored.pattern.path, strict=True):
        assert (two.along_ft, two.lateral_ft, two.height_ft) == pytest.approx(
            (one.along_ft, -one.lateral_ft, one.height_ft), abs=0.5
        )
    for leg, twin in zip(parts.pattern.legs, mirrored.pattern.legs, strict=True):
        assert twin.crab_deg == pytest.approx(-leg.crab_deg, abs=1e-6)
        assert twin.seconds == pytest.approx(leg.seconds)
    # and left in the north it is not: the wind aloft turns the other way
    wrong = make_parts(other, day.plan_of(other, is_northern=True), answer).pattern
    assert wrong.path[-1].height_ft == pytest.approx(0, abs=1e-6)
    assert abs(wrong.legs[2].crab_deg + parts.pattern.legs[2].crab_deg) > 1


def test_the_sun_of_a_late_afternoon_seven_hours_behind(parts):
    observer = ephem.Observer()  # [pub] a second library, after the USNO almanac
    observer.lat, observer.lon = str(day.LATITUDE_DEG), str(day.LONGITUDE_DEG)
    observer.date = '2026/06/04 00:20:00'
    sun = ephem.Sun(observer)
    assert parts.sun.azimuth_deg_true == pytest.approx(math.degrees(sun.az), abs=0.3)
    assert parts.sun.elevation_deg == pytest.approx(math.degrees(sun.alt), abs=0.3)
    assert parts.runway_ranking[0].sun_in_the_eyes is False  # 30 degrees up


def test_a_lap_of_that_day_is_split_to_the_foot(request_, brief):
    lap = MeasuredLap(
        outcome='touch_and_go',
        along_ft=brief.aim.target_ft + 210,
        threshold_speed_kias=brief.speed.approach_speed_kias + 4,
        headwind_kt=HEAD_KT - 5,
        float_s=brief.touchdown.float_s + 1.5,
    )
    found = diagnose(lap, request=request_, brief=brief)
    feet = {part.cause: part.feet for part in found.parts}
    assert sum(feet.values()) == pytest.approx(210)
    assert feet['speed'] > 60
    assert feet['wind'] > 30
    gone_ft = 4 * brief.touchdown.ft_per_kt_speed
    assert feet['speed'] == pytest.approx(gone_ft, rel=0.15)
    fast = make_brief(day.scene(approach_speed_kias=brief.speed.approach_speed_kias + 4))
    assert feet['wind'] == pytest.approx(-5 * fast.touchdown.ft_per_kt_headwind, rel=0.1)


def test_what_a_change_of_the_day_does(request_, brief):
    lighter = day.scene(weight_lb=1_800)
    change = compare(before=brief, after=make_brief(lighter), after_request=lighter)
    assert change.speed_kt == pytest.approx(
        make_brief(lighter).speed.approach_speed_kias - brief.speed.approach_speed_kias
    )
    assert -7 < change.speed_kt < -2
    assert change.touchdown_ft < -30
    assert 'shorter' in str(change.words)
    near = day.scene(spot_ft=60)
    assert str(compare(before=brief, after=make_brief(near), after_request=near).words).startswith(
        'No aim point is good'
    )


def test_the_deceleration_before_any_lap_comes_from_the_glide(request_):
    aircraft = dataclasses.replace(request_.aircraft, span_ft=35.2, wing='low', wing_height_ft=None)
    flap = aircraft.flaps[-1]
    found = prior_fps2(aircraft, flap, weight_lb=day.WEIGHT_LB)
    # [pub] McCormick, value from memory: induced drag near the ground times (16 h/b)^2/(1 + (16 h/b)^2)
    ratio = (16 * (aircraft.wing_over_wheels_ft + 2.0) / 35.2) ** 2
    glide_kcas = flap.airspeed_table.calibrated_kt(aircraft.best_glide_kias) * math.sqrt(
        day.WEIGHT_LB / aircraft.max_weight_lb
    )
    q_psf = 0.0023769 * (glide_kcas * FT_PER_S_PER_KT) ** 2 / 2
    induced = day.WEIGHT_LB / (q_psf * math.pi * 35.2**2 * 0.8)
    by_hand = 32.174 * (math.sin(math.radians(flap.idle_path_angle_deg)) - induced * (1 - ratio / (1 + ratio)))
    assert found == pytest.approx(by_hand, abs=0.01)
    assert found < 32.174 * math.sin(math.radians(flap.idle_path_angle_deg))
