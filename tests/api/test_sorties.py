import json

import pytest

from bullseye.cli import brief_from_json
from bullseye.store import people
from tests.api.conftest import Browser
from tests.api.test_session import CHIEF


def choices(browser):
    """What a new sortie needs, chosen from the catalogue."""
    found = browser.get('/api/catalogue')
    return {
        'student_id': next(one['id'] for one in found['people'] if one['role'] == 'student'),
        'aircraft_id': found['aircraft'][0]['id'],
        'runway_end_id': found['airfields'][0]['ends'][0]['id'],
        'standard_id': found['standards'][0]['id'],
        'landing': 'normal',
        'wind_kt': 8,
        'wind_dir_deg_mag': 70,
    }


def test_a_sortie_is_planned_with_the_usual_values_and_briefed(marta):
    made = marta.call('POST', '/api/sorties', choices(marta), status=201)
    assert made['flap'] == 'full'
    assert made['technique']['name'] == 'Bullseye default'
    assert made['weight_lb'] == 2_080  # two thirds of the way from 1,450 to 2,400 lb, in tens
    answer = marta.call('POST', f'/api/sorties/{made["id"]}/brief', {})
    assert answer['change'] is None
    assert answer['brief']['touchdown']['predicted_touchdown_ft'] == pytest.approx(made['spot_ft'] + 200)


def test_the_api_and_the_command_line_give_the_same_brief(marta):
    from bullseye.core.brief.landing import make_brief
    from tests.core.making import make_request

    # a pilot without laps, so that both start from the same defaults
    guest = choices(marta) | {'landing': 'short_field', 'gust_kt': 14, 'weight_lb': 2_100, 'spot_ft': 500}
    newcomer = marta.call('POST', '/api/invitations', {'name': 'Noor Haddad', 'role': 'student'}, status=201)
    joined = Browser(marta.client.application).enter(
        '/api/invitations/accept',
        {'token': newcomer['link'].split('#')[1], 'login': 'noor', 'password': 'a long enough one'},
        status=201,
    )
    guest['student_id'] = joined.get('/api/session')['person']['id']
    guest['aircraft_id'] += 1  # nobody has flown this one
    made = marta.call('POST', '/api/sorties', guest | {'spot_ft': 500, 'weight_lb': 2_400}, status=201)
    ours = marta.call('POST', f'/api/sorties/{made["id"]}/brief', {})['brief']
    theirs = make_brief(
        make_request(
            aircraft='Sorrel 200R',
            weight_lb=2_400,
            spot_ft=500,
            landing='short_field',
            runway=made['runway'],
            weather={'wind_dir_deg_mag': 70, 'wind_kt': 8, 'gust_kt': 14},
        )
    )
    assert ours['aim']['aim_point_ft'] == pytest.approx(theirs.aim.aim_point_ft)
    assert ours['speed']['approach_speed_kias'] == pytest.approx(theirs.speed.approach_speed_kias)
    assert ours['aim']['hit_chance'] == pytest.approx(
        theirs.aim.hit_chance, abs=0.05
    )  # a prior of bias is carried along


@pytest.mark.parametrize(
    ('changes', 'field'),
    [
        ({'gust_kt': 3}, 'gust_kt'),
        ({'wind_kt': -1}, 'wind_kt'),
        ({'wind_dir_deg_mag': 400}, 'wind_dir_deg_mag'),
        ({'weight_lb': 900}, 'weight_lb'),
        ({'spot_ft': 5_000}, 'spot_ft'),
        ({'landing': 'power_off'}, 'landing'),
        ({'student_id': 99_999}, 'student_id'),
        ({'flap': 'wide open'}, 'flap'),
        ({'colour': 'red'}, 'colour'),
        ({'planned_on': '1999-12-31'}, 'planned_on'),
        ({'planned_time': '14:30:00+02:00'}, 'planned_time'),
        ({'planned_time': 'noon'}, 'planned_time'),
    ],
)
def test_a_wrong_field_is_named_and_nothing_is_kept(marta, changes, field):
    before = len(marta.sorties())
    refused = marta.call('POST', '/api/sorties', choices(marta) | changes, status=422)
    assert list(refused['fields']) == [field]
    assert len(marta.sorties()) == before
    today = marta.sortie_of('Ines')
    kept = marta.get(f'/api/sorties/{today}')
    marta.call('PATCH', f'/api/sorties/{today}', changes, status=422)
    assert marta.get(f'/api/sorties/{today}') == kept


def test_a_what_if_is_answered_in_feet_and_writes_nothing(marta):
    sortie = marta.sortie_of('Owen')
    before = marta.get(f'/api/sorties/{sortie}')
    answer = marta.call('POST', f'/api/sorties/{sortie}/brief', {'wind_kt': 20, 'spot_ft': 900})
    assert answer['brief']['aim']['spot_ft'] == 900
    assert 'ft' in answer['change']['words']
    assert marta.get(f'/api/sorties/{sortie}') == before
    marta.call('PATCH', f'/api/sorties/{sortie}', {'wind_kt': 20, 'gust_kt': None})
    assert marta.get(f'/api/sorties/{sortie}')['wind_kt'] == 20


def test_a_student_reads_their_own_sorties_and_writes_none(marta, ines):
    assert {one['student_name'] for one in ines.sorties()} == {'Ines Carvalho'}
    own, other = marta.sortie_of('Ines'), marta.sortie_of('Owen')
    assert ines.get(f'/api/sorties/{own}')['id'] == own
    assert ines.get('/api/catalogue')['people'] == []
    for path in (f'/api/sorties/{other}', f'/api/sorties/{other}/laps'):
        assert ines.get(path, status=404)['code'] == 'not_found'
    assert ines.call('PATCH', f'/api/sorties/{own}', {'wind_kt': 1}, status=403)['code'] == 'not_allowed'
    ines.call('POST', '/api/sorties', choices(marta), status=403)
    ines.put_lap(own, status=403)


def test_another_school_is_invisible(app, marta):
    with app.extensions['bullseye_sessions']() as db:
        from bullseye.store import catalogue, scope
        from bullseye.store.models import School

        school = School(name='Sandling Aero')
        db.add(school)
        db.flush()
        people.add(db, school=school, login='ada', name='Ada Field', role='chief', password=CHIEF['password'])
        scope.bind(db, school.id)
        catalogue.add_built_in(db, school)
        db.commit()
    ada = Browser(app).enter('/api/session', {'login': 'ada', 'password': CHIEF['password']})
    assert ada.sorties() == []
    assert [one['name'] for one in ada.get('/api/catalogue')['people']] == ['Ada Field']
    assert ada.get('/api/catalogue')['aircraft'] == []
    theirs = marta.sortie_of('Ines')
    ada.get(f'/api/sorties/{theirs}', status=404)
    ada.get(f'/api/sorties/{theirs}/laps', status=404)
    ada.call('POST', f'/api/sorties/{theirs}/brief', {}, status=404)
    ada.put_lap(theirs, status=404)
    # nor can anything of the other school be chosen
    refused = ada.call('POST', '/api/sorties', choices(marta), status=422)
    assert 'not found' in refused['message']


def _flat(brief):
    parts = {
        name: value
        for part in ('wind', 'speed', 'aim', 'touchdown', 'ground', 'rollout')
        for name, value in brief.pop(part).items()
    }
    cautions = brief.pop('cautions')
    said = [one['words'] for one in cautions] + [brief.pop('training_aid')]
    return parts | brief | {'cautions': said, 'caution_severities': [one['severity'] for one in cautions]}


@pytest.mark.parametrize(
    'wind',
    [
        {'wind_dir_deg_true': 352.0, 'wind_kt': 9.0, 'gust_kt': 17.0},
        {'wind_dir_deg_mag': 4.0, 'wind_kt': 9.0, 'gust_kt': 17.0},  # west variation: from the other side of north
    ],
)
def test_screen_and_command_line_give_the_same_brief_to_the_digit(marta, wind):
    sortie = marta.sortie_of('Owen')
    marta.call('PATCH', f'/api/sorties/{sortie}', wind | {'landing': 'normal', 'temperature_c': 23.0, 'qnh_hpa': 996.4})
    kept = marta.get(f'/api/sorties/{sortie}')
    assert kept['wind_reference'] == ('true' if 'wind_dir_deg_true' in wind else 'magnetic')
    variation = kept['runway']['magnetic_variation_deg']
    assert kept['wind_dir_deg_mag'] == pytest.approx((kept['wind_dir_deg_true'] - variation) % 360, abs=1e-4)
    screen = marta.call('POST', f'/api/sorties/{sortie}/brief', {})['brief']
    aboard = marta.get(f'/api/sorties/{sortie}/aboard')
    catalogue = aboard['catalogue']
    of = {
        name: next(one['spec'] for one in catalogue[many] if one['id'] == kept[name]['id'])
        for name, many in (('aircraft', 'aircraft'), ('standard', 'standards'), ('technique', 'techniques'))
    }
    basis = screen['basis']
    request = of | {
        'runway': kept['runway'],
        'weather': wind | {'temperature_c': 23.0, 'qnh_hpa': 996.4},
        **{name: kept[name] for name in ('weight_lb', 'landing', 'spot_ft', 'flap')},
        'calibration': {name: basis[name] for name in ('deceleration_fps2', 'bias_ft', 'bias_sd_ft', 'scatter_ft')}
        | {name: basis[name] for name in ('laps', 'timed_laps')},
        'school_crosswind_limit_kt': 8.0,
        'student_crosswind_limit_kt': 12.0,
    }
    line = brief_from_json(json.dumps(request))
    for name, value in _flat(screen).items():
        assert line[name] == value, name


def test_a_wind_given_by_both_norths_is_refused(marta):
    sortie = marta.sortie_of('Owen')
    both = {'wind_dir_deg_true': 70.0, 'wind_dir_deg_mag': 82.0}
    assert (
        'only one of' in marta.call('PATCH', f'/api/sorties/{sortie}', both, status=422)['fields']['wind_dir_deg_mag']
    )
    assert 'only one of' in marta.call('POST', f'/api/sorties/{sortie}/brief', both, status=422)['message']
