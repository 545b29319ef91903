"""From rows to the core and back: what a sortie asks, what its laps teach, and that each can be had again."""

import dataclasses
import uuid

import pytest
from sqlalchemy import select

from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.request import RefusedRequest
from bullseye.core.fly.pattern import PatternChoice
from bullseye.store import scope
from bullseye.store.database import open_engine, session_maker
from bullseye.store.errors import NotAllowed, NotFound
from bullseye.store.flying import correcting, judging, laps, sortielist, sorties
from bullseye.store.flying.plan import plan_of
from bullseye.store.flying.requests import changed_request, live_request, request_of
from bullseye.store.rows.flying import Lap, Sortie
from bullseye.store.rows.people import User


@pytest.fixture
def db(demo_url):
    engine = open_engine(demo_url)
    with session_maker(engine)() as session:
        scope.see_every_school(session)
        marta = session.scalars(select(User).where(User.role == 'chief')).one()
        scope.bind(session, marta.school_id)
        session.info['marta'] = marta
        yield session
    engine.dispose()


def todays(db, first_name):
    marta = db.info['marta']
    line = next(
        one
        for one in sortielist.page(db, marta, sortielist.Wanted()).rows
        if one['student_name'].startswith(first_name) and not one['laps']
    )
    return sorties.find(db, line['id'], person=marta)


def keep(db, sortie, **values):
    seen = {'outcome': 'touch_and_go', 'along_ft': 900.0, 'known_by': {}} | values
    lap_id = uuid.uuid4()
    laps.keep(db, sortie, lap_id=lap_id, by=db.info['marta'], values=seen)
    return laps.result(db, sortie, lap_id)


def test_a_live_request_carries_limits_and_what_the_laps_taught(db):
    request = live_request(db, todays(db, 'Ines'))
    assert (request.school_crosswind_limit_kt, request.student_crosswind_limit_kt) == (8, 6)
    assert request.calibration.laps == 12
    assert request.calibration.bias_ft > 80  # always long
    assert live_request(db, todays(db, 'Owen')).calibration.bias_ft < 40


def test_an_unchanged_set_of_laps_is_learned_from_once_and_a_changed_one_again(db):
    sortie = todays(db, 'Ines')
    first = live_request(db, sortie).calibration
    assert live_request(db, sortie).calibration is first
    result = keep(db, sortie, along_ft=1_300.0)
    second = live_request(db, sortie).calibration
    assert second.laps == first.laps + 1
    correcting.remove(db, sortie, result.lap.id, by=sortie.instructor)
    assert live_request(db, sortie).calibration == first


def test_a_result_can_be_had_again_from_its_stored_inputs_alone(db):
    sortie = todays(db, 'Tobias')
    result = keep(db, sortie, along_ft=1_010.0, threshold_speed_kias=66.0, float_s=5.0, drift='left')
    judging._judged.cache_clear()
    (again,) = judging.results_of(db, [db.get_one(Lap, (sortie.school_id, result.lap.id))])
    assert (again.score, again.diagnosis, again.brief) == (result.score, result.diagnosis, result.brief)
    assert result.lap.model_version


def test_a_lap_keeps_the_surface_and_the_weather_it_was_flown_in(db):
    sortie, marta = todays(db, 'Ines'), db.info['marta']
    report = 'LBAY 201550Z 02009KT 340V070 9999 -RA OVC016 14/12 Q1012'
    sorties.change(db, sortie, by=marta, values={'metar': report, 'wind_source': 'report', 'surface_state': 'wet'})
    asked = live_request(db, sortie)
    flown = keep(db, sortie).request
    assert (flown.surface_state, flown.weather.ceiling_ft) == ('wet', 1_600)
    assert (flown.weather.wind_range_from_deg_true, flown.weather.wind_range_to_deg_true) == (340, 70)
    assert flown.weather == asked.weather
    # the day dries; the lap stays wet, and is judged by what it was flown by
    sorties.change(db, sortie, by=marta, values={'metar': None, 'wind_source': 'hand', 'surface_state': 'dry'})
    lap = db.scalars(select(Lap).where(Lap.sortie_id == sortie.id)).one()
    assert laps.result(db, sortie, lap.id).request == flown
    assert keep(db, sortie).request.surface_state == 'dry'


def test_a_place_that_was_set_does_not_follow_to_a_shorter_runway(db):
    sortie, marta = todays(db, 'Ines'), db.info['marta']
    mine = {'number': 'go_around_point_ft', 'value': 2_400.0, 'reason': 'the overrun is paved'}
    sorties.change(db, sortie, by=marta, values={'overruled': [mine]})
    shorter = next(end for end in sortie.runway_end.airfield.ends if end.spec['length_ft'] < 2_400)
    assert live_request(db, sortie).overrule('go_around_point_ft') == 2_400
    assert live_request(db, sortie, runway_end=shorter).overruled == ()


def test_the_wind_of_a_lap_is_resolved_on_its_runway(db):
    sortie = todays(db, 'Ines')
    with_wind = keep(db, sortie, wind_dir_deg_mag=50.4, wind_kt=15.0)
    parts = {part.cause: part.feet for part in with_wind.diagnosis.parts}
    # 15 kt down the runway against about 8 briefed: the touchdown came back
    assert -120 < parts['wind'] < -40
    assert sum(feet for feet in parts.values() if feet is not None) == pytest.approx(with_wind.diagnosis.error_ft)


def test_changes_are_refused_by_the_names_the_sortie_uses(db):
    request = live_request(db, todays(db, 'Ines'))
    changed = changed_request(request, {'wind_kt': 20.0, 'spot_ft': 800.0})
    assert (changed.weather.wind_kt, changed.spot_ft) == (20, 800)
    assert changed.weather.temperature_c == request.weather.temperature_c
    with pytest.raises(RefusedRequest) as refusal:
        changed_request(request, {'gust_kt': 1.0})
    assert list(refusal.value.errors) == ['gust_kt']


def test_the_plan_of_a_sortie_knows_its_field_and_hemisphere(db):
    sortie = todays(db, 'Ines')
    plan = plan_of(db, sortie)
    assert plan.is_northern
    assert {end.ident for end in plan.airfield.ends} == {'05', '23', '14', '32'}
    assert plan.at.hour == 16  # two in the afternoon by the sun at 38 degrees west
    other = plan_of(db, sortie, takeoff='soft_field', pattern=PatternChoice(side='right'))
    assert (other.takeoff, other.pattern.side) == ('soft_field', 'right')
    assert plan_of(db, sortie).takeoff == 'normal'


def test_another_aircraft_brings_its_own_flap_and_a_weight_it_can_have(db):
    sortie, marta = todays(db, 'Ines'), db.info['marta']
    bramble = next(row.id for row in db.scalars(select(sorties.Aircraft)) if row.name == 'Bramble 90T')
    changed = sorties.change(db, sortie, by=marta, values={'aircraft_id': bramble})
    assert changed.flap == 'none'
    assert 820 <= changed.weight_lb <= 1_350
    assert make_brief(live_request(db, changed)).speed.approach_speed_kias < 52.5
    assert live_request(db, changed).calibration.laps == 0  # what was learned of another aircraft stays there


def test_a_student_finds_only_what_is_theirs_and_writes_nothing(db):
    ines = db.scalars(select(User).where(User.name == 'Ines Carvalho')).one()
    own, other = todays(db, 'Ines'), todays(db, 'Owen')
    assert sorties.find(db, own.id, person=ines).id == own.id
    with pytest.raises(NotFound):
        sorties.find(db, other.id, person=ines)
    with pytest.raises(NotAllowed):
        sorties.find(db, own.id, person=ines, right='coach')
    with pytest.raises(NotAllowed):
        sorties.change(db, own, by=ines, values={'wind_kt': 1.0})
    assert {line['student_name'] for line in sortielist.page(db, ines, sortielist.Wanted()).rows} == {'Ines Carvalho'}


def test_a_refused_change_leaves_the_sortie_as_it_was(db):
    sortie, marta = todays(db, 'Ines'), db.info['marta']
    with pytest.raises(RefusedRequest):
        sorties.change(db, sortie, by=marta, values={'weight_lb': 9_000.0})
    db.expire_all()
    assert db.get_one(Sortie, sortie.id).weight_lb == 2_180
    assert dataclasses.is_dataclass(request_of(sortie))
