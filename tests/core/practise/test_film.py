"""Films agree with the brief of the same request, and show what a pilot does otherwise."""

import dataclasses
import math

import numpy as np
import pytest

from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.request import RefusedRequest, parse_request
from bullseye.core.brief.setup import landing_setup
from bullseye.core.model.touchdown import predict, wheels_over_ft
from bullseye.core.practise.asked import film_of, sight_of
from bullseye.core.practise.film import FilmRequest, Pilot, make_film
from bullseye.core.practise.sight import Eye, depression_deg, surface_ft
from bullseye.demo.fleet import AIRCRAFT

RUNWAY = {
    'ident': '05',
    'course_deg_true': 38.0,
    'length_ft': 3_790.0,
    'width_ft': 60.0,
    'elevation_ft': 1_040.0,
    'magnetic_variation_deg': -12.0,
    'slope_pct': 0.8,
}
ASKED = {
    'aircraft': 'Marram 160',
    'runway': RUNWAY,
    'weather': {'temperature_c': 22.0, 'qnh_hpa': 1_009.0, 'wind_kt': 11.0, 'wind_dir_deg_true': 62.0},
    'weight_lb': 2_180.0,
    'landing': 'normal',
    'standard': 'us_private',
    'spot_ft': 900.0,
}


def brief_request(**more):
    return parse_request({**ASKED, **more}, aircraft_by_name=AIRCRAFT)


def event(film, what):
    return next(one for one in film.events if one.what == what)


@pytest.mark.parametrize(
    'more',
    [
        {},
        {'runway': {**RUNWAY, 'slope_pct': -1.4}},
        {'landing': 'no_flap'},
        {'landing': 'power_off', 'standard': 'us_commercial'},
        {'weather': {**ASKED['weather'], 'wind_kt': 0.0, 'wind_dir_deg_true': None}},
        {'weather': {**ASKED['weather'], 'wind_dir_deg_true': 200.0, 'wind_kt': 5.0}},
        {'aircraft': 'Sorrel 200R', 'weight_lb': 2_600.0},
    ],
)
def test_a_film_agrees_with_the_brief_to_the_foot(more):
    request = brief_request(**more)
    brief, setup = make_brief(request), landing_setup(request)
    known, aim_ft = predict(setup.approach), brief.aim.recommended_aim_point_ft
    film = make_film(FilmRequest(brief=request))
    assert film.truth.aim_point_ft == pytest.approx(aim_ft)
    assert film.truth.touchdown_ft == pytest.approx(aim_ft + known.touchdown_ft, abs=1.0)
    assert film.truth.float_ft == pytest.approx(known.float_ft, abs=1.0)
    assert film.truth.float_s == pytest.approx(known.float_s, abs=0.02)
    roundout = event(film, 'roundout')
    assert roundout.along_ft == pytest.approx(aim_ft + known.roundout_start_ft, abs=1.0)
    assert roundout.wheels_ft == pytest.approx(known.roundout_height_ft, abs=0.3)
    assert roundout.speed_kias == pytest.approx(setup.speed_kias, abs=0.6)
    assert event(film, 'touchdown').wheels_ft == pytest.approx(0.0, abs=1e-6)
    if aim_ft + known.roundout_start_ft > 0:
        over_ft = wheels_over_ft(setup.approach, aim_ft=aim_ft, at_ft=0.0)
        assert film.truth.threshold_height_ft == pytest.approx(over_ft, abs=0.5)


def test_the_motion_has_no_jumps_and_its_speeds_are_its_places():
    film = make_film(FilmRequest(brief=brief_request(), from_nm=1.0))
    t, along, wheels = (np.array(one) for one in (film.time_s, film.along_ft, film.wheels_ft))
    assert np.diff(t[:-1]) == pytest.approx(1 / 30, abs=2e-4)
    moved_kt = np.diff(along) / np.diff(t) * 3_600 / 6_076.12
    mean_kt = (np.array(film.groundspeed_kt)[1:] + np.array(film.groundspeed_kt)[:-1]) / 2
    assert moved_kt == pytest.approx(mean_kt, abs=2.5)  # the circle of the roundout is flown at one mean speed
    assert np.median(np.abs(moved_kt - mean_kt)) < 0.1
    assert np.abs(np.diff(wheels)).max() < 0.5
    assert np.all(wheels >= -1e-9)
    assert np.all(np.abs(np.diff(film.pitch_deg)) < 1.0)


def test_on_final_the_aim_point_stays_where_it_is():
    request = brief_request()
    film = make_film(FilmRequest(brief=request))
    aim = (film.truth.aim_point_ft, 0.0, float(surface_ft(request.runway, film.truth.aim_point_ft)))
    seen = [
        depression_deg(Eye(along_ft=x, lateral_ft=0.0, height_ft=z), aim)
        for x, z in zip(film.along_ft, film.eye_height_ft, strict=True)
        if x < film.truth.roundout_start_ft
    ]
    assert np.ptp(seen) < 0.01
    assert seen[0] == pytest.approx(film.truth.path_angle_deg, abs=0.01)


def test_crab_is_into_the_wind_and_taken_out_before_the_touch():
    film = make_film(FilmRequest(brief=brief_request()))  # 11 kt from 24° right of the course
    setup = landing_setup(brief_request())
    assert setup.assumed_wind.cross_kt > 3
    wanted = math.degrees(math.asin(setup.assumed_wind.cross_kt / setup.approach.speed_ktas))
    assert film.heading_off_deg[0] == pytest.approx(wanted, abs=0.3)
    touch = np.searchsorted(film.time_s, event(film, 'touchdown').time_s)
    assert abs(film.heading_off_deg[touch]) < 0.5
    left = make_film(FilmRequest(brief=brief_request(), pilot=Pilot(crab_left_deg=6.0, drift_kt=-2.0)))
    assert left.heading_off_deg[np.searchsorted(left.time_s, event(left, 'touchdown').time_s)] > 4
    assert left.truth.touchdown_lateral_ft < -5


def test_what_a_pilot_does_otherwise_is_seen():
    request = brief_request()
    good = make_film(FilmRequest(brief=request))
    fast = make_film(FilmRequest(brief=request, pilot=Pilot(speed_off_kt=5.0)))
    assert fast.truth.touchdown_ft > good.truth.touchdown_ft + 150
    high = make_film(FilmRequest(brief=request, pilot=Pilot(hold_off_height_ft=9.0)))
    assert high.truth.dropped_from_ft == pytest.approx(9.0, abs=0.1)
    assert high.truth.sink_fpm > 3 * good.truth.sink_fpm
    assert event(high, 'drop').wheels_ft == pytest.approx(9.0, abs=0.1)
    assert not [one for one in good.events if one.what == 'drop']
    ballooned = make_film(FilmRequest(brief=request, pilot=Pilot(balloon_ft=4.0)))
    after = [
        w for t, w in zip(ballooned.time_s, ballooned.wheels_ft, strict=True) if t > event(good, 'hold_off').time_s
    ]
    assert max(after) > 4.0
    powered = make_film(FilmRequest(brief=request, pilot=Pilot(power_share=0.5)))
    assert powered.truth.float_s > 1.6 * good.truth.float_s
    let_go = make_film(FilmRequest(brief=request, pilot=Pilot(let_go_kt=6.0)))
    assert let_go.truth.touchdown_ft < good.truth.touchdown_ft - 150
    assert let_go.truth.touchdown_speed_kias > good.truth.touchdown_speed_kias + 4
    flat = make_film(FilmRequest(brief=request, pilot=Pilot(path_off_deg=-0.9)))
    assert flat.wheels_ft[0] < good.wheels_ft[0] - 50


def test_unrest_is_the_same_by_its_seed_and_is_gone_near_the_ground():
    request = brief_request()
    one, two, other = (make_film(FilmRequest(brief=request, seed=seed)) for seed in (5, 5, 6))
    assert one == two
    assert one.lateral_ft != other.lateral_ft
    near = [x for x, w in zip(one.lateral_ft, one.wheels_ft, strict=True) if w < 15]
    assert np.abs(near).max() < 0.5
    assert one.truth == make_film(FilmRequest(brief=request)).truth


def test_wrong_requests_are_refused_by_their_field():
    good = {'brief': ASKED}
    for change, where in (
        ({'from_nm': 0.0}, 'from_nm'),
        ({'pilot': {'speed_off_kt': 99}}, 'pilot.speed_off_kt'),
        ({'brief': {**ASKED, 'weight_lb': 9}}, 'brief.weight_lb'),
        ({'brief': {**ASKED, 'runway': {**RUNWAY, 'slope_pct': -9.0}}, 'pilot': {'path_off_deg': -2}}, 'path_off_deg'),
        ({'wings': 2}, 'wings'),
    ):
        with pytest.raises(RefusedRequest) as found:
            film_of({**good, **change}, aircraft_by_name=AIRCRAFT)
        assert where in found.value.errors, found.value.errors
    with pytest.raises(RefusedRequest) as found:
        sight_of({'runway': RUNWAY, 'eye': {'along_ft': -100, 'height_ft': -2}, 'aim_point_ft': 500})
    assert 'eye.height_ft' in found.value.errors
    picture = sight_of({'runway': RUNWAY, 'eye': {'along_ft': -2_000, 'height_ft': 130}, 'aim_point_ft': 500})
    assert dataclasses.asdict(picture)['shapes']
