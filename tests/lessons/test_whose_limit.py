"""Whose limit speaks: with an instructor aboard those of students are grey, alone they bind.

Wind by hand: 17·cos 40°, 17·sin 40°; 16·cos 50°, 16·sin 50°; 10·sin 20°.
"""

from uuid import uuid4

import pytest

from bullseye.demo import seed
from bullseye.store.record.signing import SOLO_CHECKLIST

OWN = {'crosswind_limit_kt': 6.0}


def stops(brief):
    return [one['words'] for one in brief['cautions'] if one['severity'] == 'stop']


def limits(brief):
    return {one['name']: one for one in brief['wind']['crosswind_limits']}


def lands(plan):
    return [one for one in plan['lap_plan']['laps'] if one['spot_ft'] is not None]


def own_limit(school, name, kt):
    school.browser.call('PATCH', f'/api/people/{school.person(name)}', {'crosswind_limit_kt': kt})


def test_crosswind_of_a_nosewheel_aircraft_dual_and_alone(school):
    own_limit(school, 'Ines', 6.0)
    lesson = school.lesson(
        'Ines',
        'Marram 160',
        school.end('Lantern Bay', '05'),
        landing='crosswind',
        weight_lb=2_300,
        wind_kt=17,
        wind_dir_deg_mag=90,
    )
    dual = lesson.brief()
    assert dual['wind']['headwind_kt'] == pytest.approx(13.0, abs=0.5)
    assert dual['wind']['crosswind_kt'] == pytest.approx(10.9, abs=0.5)
    assert {name: one['within'] for name, one in limits(dual).items()} == {
        'aircraft': True,
        'school': False,
        'student': False,
    }
    assert {name: one['binds'] for name, one in limits(dual).items()} == {
        'aircraft': True,
        'school': False,
        'student': False,
    }
    assert stops(dual) == []
    assert any('student limit of 6 kt' in one['words'] for one in dual['cautions'] if one['severity'] == 'know')
    assert lands(lesson.plan())
    assert 'right' in dual['wind']['crosswind']['words']
    lesson.change(alone=True)
    alone = lesson.brief()
    assert any('student limit of 6 kt' in one for one in stops(alone))
    assert any('school limit of 8 kt' in one for one in stops(alone))
    assert not alone['aim']['aim_is_good']
    plan = lesson.plan()
    assert plan['lap_plan']['laps'] == [] or not lands(plan)
    assert 'limit' in plan['lap_plan']['words'] or plan['lap_plan']['notes']


def test_a_takeoff_is_judged_by_the_same_limits(school):
    own_limit(school, 'Priya', None)
    lesson = school.lesson(
        'Priya',
        'Marram 160',
        school.end('Lantern Bay', '23'),
        weight_lb=2_250,
        wind_kt=16,
        wind_dir_deg_mag=280,
        takeoff='crosswind',
    )
    brief = lesson.brief()
    assert brief['wind']['headwind_kt'] == pytest.approx(10.3, abs=0.4)
    assert brief['wind']['crosswind_kt'] == pytest.approx(12.3, abs=0.4)
    lesson.change(alone=True)
    said = [one['words'] for one in lesson.plan()['takeoff']['cautions'] if one['severity'] == 'stop']
    assert any('school limit of 8 kt' in one for one in said)
    assert any('own crosswind limit is not set' in one['words'] for one in lesson.brief()['cautions'])


def test_a_first_solo_is_bound_by_what_was_signed(school):
    own_limit(school, 'Tobias', None)
    lesson = school.lesson(
        'Tobias', 'Marram 160', school.end('Lantern Bay', '05'), weight_lb=1_950, wind_kt=10, wind_dir_deg_mag=70
    )
    assert lesson.brief()['ground']['go_around_point_ft'] == pytest.approx(2_790 / 2, abs=1)
    lesson.change(alone=True)
    none_yet = lesson.brief()
    assert any('No solo sign-off' in one['words'] for one in none_yet['cautions'])
    assert none_yet['ground']['go_around_point_ft'] == pytest.approx(930, abs=1)
    assert none_yet['ground']['go_around_by'] == 'third'
    sign(school, 'Tobias', field='Lantern Bay 05', wind_limit_kt=12, crosswind_limit_kt=5)
    signed = lesson.brief()
    assert stops(signed) == []
    assert limits(signed)['signed']['within'] is True
    assert abs(signed['wind']['crosswind_kt']) == pytest.approx(3.4, abs=0.3)
    lesson.change(gust_kt=18, wind_kt=10, wind_dir_deg_mag=70)
    gusty = lesson.brief()
    assert any('12 kt' in one for one in stops(gusty))
    assert not lands(lesson.plan())
    lesson.change(gust_kt=None, wind_kt=10, wind_dir_deg_mag=70, runway_end_id=school.end('Lantern Bay', '14'))
    assert any('does not name' in one for one in stops(lesson.brief()))


def test_after_ninety_days_nobody_flies_on_by_an_old_leave(school):
    lesson = school.lesson(
        'Tobias',
        'Marram 160',
        school.end('Lantern Bay', '05'),
        weight_lb=1_950,
        wind_kt=6,
        wind_dir_deg_mag=50,
        alone=True,
        planned_on='2027-06-01',
    )
    sign(school, 'Tobias', field='Lantern Bay', wind_limit_kt=12, crosswind_limit_kt=5)
    assert any('has run out' in one for one in stops(lesson.brief()))


def sign(school, name, **limits_signed):
    body = {
        'id': str(uuid4()),
        'kind': 'first_solo',
        'words': 'Three good laps flown dual.',
        'ticked': [code for code, _ in SOLO_CHECKLIST],
        'password': seed.PASSWORD,
        **limits_signed,
    }
    school.browser.call('POST', f'/api/students/{school.person(name)}/signoffs', body, status=201)
