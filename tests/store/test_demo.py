"""The made-up school: what is shown of it must be true of it, so that nobody learns the trade wrong from a demo."""

from datetime import date, timedelta

import numpy as np
import pytest
from geographiclib.geodesic import Geodesic
from sqlalchemy import select

from bullseye.core.basis.kinds import NOT_LANDED
from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.request import RefusedRequest
from bullseye.demo.fleet import AIRCRAFT, FIELDS
from bullseye.demo.flights import recorded_flight
from bullseye.store import scope
from bullseye.store.database import open_engine, session_maker
from bullseye.store.flying import laps
from bullseye.store.flying.requests import brief_of, live_request
from bullseye.store.rows.flying import Sortie
from bullseye.store.rows.people import User
from tests.core.making import make_request


@pytest.fixture
def school(demo_url):
    engine = open_engine(demo_url)
    with session_maker(engine)() as db:
        scope.see_every_school(db)
        user = db.scalars(select(User)).first()
    with session_maker(engine)() as db:
        scope.bind(db, user.school_id)
        yield db
    engine.dispose()


def errors_of(db, student: str, *, gusty: bool | None = None):
    """Errors of a student's measured laps against their targets [ft], with what speed made of each."""
    found = []
    for sortie in db.scalars(select(Sortie)):
        if sortie.student.name != student or (gusty is not None and (sortie.gust_kt is not None) != gusty):
            continue
        for one in laps.results(db, sortie)[0]:
            if one.lap.track_file_id is None and one.diagnosis.error_ft is not None:
                speed = [part.feet for part in one.diagnosis.parts if part.cause == 'speed']
                found.append((one.diagnosis.error_ft, speed[0] if speed else None))
    return found


def test_each_student_has_a_habit_that_can_be_recognised(school):
    ines = [error for error, _ in errors_of(school, 'Ines Carvalho')]
    priya = [error for error, _ in errors_of(school, 'Priya Raman')]
    owen = [error for error, _ in errors_of(school, 'Owen Fairbairn')]
    assert min(map(len, (ines, priya, owen))) >= 6
    assert np.mean(ines[:6]) > 100  # always long, until the aim point has learned of it
    assert np.std(priya) > 2 * np.std(owen)  # scattered
    assert abs(np.mean(owen)) < 60  # ready for the test
    assert np.std(owen) < 80


def test_tobias_is_fast_in_gusts_and_not_without(school):
    gusty = [speed for _, speed in errors_of(school, 'Tobias Lund', gusty=True) if speed is not None]
    calm = [speed for _, speed in errors_of(school, 'Tobias Lund', gusty=False) if speed is not None]
    assert np.mean(gusty) > 150
    assert abs(np.mean(calm)) < 100


def test_every_student_flies_today_and_has_flown_before(school):
    sorties = school.scalars(select(Sortie)).all()
    newest = max(one.planned_on for one in sorties)
    students = {person.name for person in school.scalars(select(User)) if person.role == 'student'}
    assert {one.student.name for one in sorties if one.planned_on == newest} == students
    assert {one.student.name for one in sorties if one.planned_on < newest and laps.of_sortie(school, one)} == students
    assert all(newest - one.planned_on < timedelta(days=30) for one in sorties)


def test_every_sortie_of_the_demo_is_briefed(school):
    for sortie in school.scalars(select(Sortie)):
        brief = brief_of(live_request(school, sortie))
        assert 0 < brief.aim.hit_chance <= 1
        assert brief.ground.ground_roll is not None  # inside its table
        assert brief.aim.box_ft[0] <= brief.aim.target_ft <= brief.aim.box_ft[1]


def test_laps_without_a_touchdown_have_none(school):
    for sortie in school.scalars(select(Sortie)):
        for lap in laps.of_sortie(school, sortie):
            if lap.outcome in NOT_LANDED:
                assert lap.along_ft is None


@pytest.mark.parametrize('name', sorted(AIRCRAFT))
def test_an_aircraft_of_the_demo_is_one_that_could_fly(name):
    aircraft = AIRCRAFT[name]
    assert aircraft.empty_weight_lb < aircraft.max_weight_lb
    stalls = [flap.stall_kcas for flap in aircraft.flaps]
    assert stalls == sorted(stalls, reverse=True)  # more flap, slower stall
    for flap in aircraft.flaps:
        if flap.normal_approach_kias is not None:
            # 14 CFR 23.73 before 2017, value from memory: about 1.3 times the stall; a handbook may print a little less
            ratio = flap.airspeed_table.calibrated_kt(flap.normal_approach_kias) / flap.stall_kcas
            assert 1.2 <= ratio <= 1.55
    for low_ft, high_ft in ((0.0, 4_000.0), (4_000.0, 8_000.0)):
        here = aircraft.landing_table.ground_roll_ft
        altitudes = list(aircraft.landing_table.pressure_altitude_ft)
        rows = here[altitudes.index(low_ft)], here[altitudes.index(high_ft)]
        assert all(later > before for before, later in zip(*rows, strict=True))  # thinner air, longer roll


@pytest.mark.parametrize('name', sorted(AIRCRAFT))
@pytest.mark.parametrize('weight', [0.75, 1.0])
def test_an_aircraft_of_the_demo_lands_where_one_of_its_size_would(name, weight):
    aircraft = AIRCRAFT[name]
    weight_lb = max(aircraft.empty_weight_lb + 300, weight * aircraft.max_weight_lb)
    brief = make_brief(make_request(aircraft=name, weight_lb=min(weight_lb, aircraft.max_weight_lb)))
    assert 45 < brief.speed.approach_speed_kias < 90
    assert 100 < brief.touchdown.float_ft < 1_200
    assert 150 < brief.touchdown.touchdown_minus_aim_ft < 1_300
    assert 3 < brief.speed.descent_rate_fpm / brief.speed.approach_groundspeed_kt < 8


def test_fields_are_where_they_are_said_to_be_and_marked_as_made_up():
    for field in FIELDS:
        for end, lat, lon in field.ends:
            far = Geodesic.WGS84.Inverse(field.lat_deg, field.lon_deg, lat, lon)['s12']
            assert far < 3_000
            # the number painted on a runway is its magnetic course in tens [AIM 2-3-3, value from memory]
            number = int(end.ident[:2]) * 10
            assert abs((end.course_deg_mag - number + 180) % 360 - 180) <= 6
        assert len({end.ident for end, _, _ in field.ends}) == len(field.ends)
        assert 500 <= field.pattern_altitude_ft - min(end.elevation_ft for end, _, _ in field.ends) <= 1_100


def test_the_recorded_flight_is_the_same_every_time_and_of_its_day():
    one, other = recorded_flight(date(2026, 5, 14)), recorded_flight(date(2026, 5, 15))
    assert recorded_flight.__wrapped__(date(2026, 5, 14)).raw == one.raw
    assert one.raw != other.raw
    assert [event['kind'] for event in one.flown.events] == [event['kind'] for event in other.flown.events]


def test_no_aircraft_of_the_demo_is_briefed_beyond_its_limits():
    for name, aircraft in AIRCRAFT.items():
        with pytest.raises(RefusedRequest):
            make_request(aircraft=name, weight_lb=aircraft.max_weight_lb + 1)
        with pytest.raises(RefusedRequest):
            make_request(aircraft=name, weight_lb=aircraft.empty_weight_lb - 1)
