import json

import pytest

from bullseye.cli import brief_from_json
from bullseye.store.people import joining
from tests.api.conftest import Browser, owner
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

    # a pilot without laps, who starts from the school's own
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
            calibration=ours['basis']['calibration'],
        )
    )
    assert ours['aim']['aim_point_ft'] == pytest.approx(theirs.aim.aim_point_ft)
    assert ours['speed']['approach_speed_kias'] == pytest.approx(theirs.speed.approach_speed_kias)
    assert ours['aim']['hit_chance'] == pytest.approx(theirs.aim.hit_chance)
    assert ours['basis']['calibration']['pilots'] >= 3
    assert 'starts from how' in ours['basis']['words']


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


def test_a_number_set_by_the_instructor_is_kept_with_name_and_reason_and_flown_by(marta, ines):
    sortie = marta.sortie_of('Owen')
    worked_ft = marta.call('POST', f'/api/sorties/{sortie}/brief', {})['brief']['aim']['aim_point_ft']
    mine = {'number': 'aim_point_ft', 'value': round(worked_ft) + 90, 'reason': 'the first stripe is worn away'}
    kept = marta.call('PATCH', f'/api/sorties/{sortie}', {'overruled': [mine]})
    assert kept['overruled'] == [mine | {'by': 'Marta Kowalczyk'}]
    brief = marta.call('POST', f'/api/sorties/{sortie}/brief', {})['brief']
    assert brief['aim']['aim_point_ft'] == mine['value']
    assert any('set by Marta Kowalczyk: the first stripe is worn away' in one['words'] for one in brief['cautions'])
    plan = marta.call('POST', f'/api/sorties/{sortie}/plan', {})['plan']['lap_plan']['laps']
    spot = marta.get(f'/api/sorties/{sortie}')['spot_ft']
    same = [lap['aim_point_ft'] for lap in plan if (lap['kind'], lap['spot_ft']) == (kept['landing'], spot)]
    assert set(same) <= {mine['value']}
    lap = marta.put_lap(sortie)
    assert lap['aim_point_ft'] == mine['value']
    marta.call('PATCH', f'/api/sorties/{sortie}', {'overruled': [mine | {'reason': ''}]}, status=422)
    marta.call('PATCH', f'/api/sorties/{sortie}', {'overruled': [mine | {'by': 'somebody else'}]}, status=422)
    assert marta.call('PATCH', f'/api/sorties/{sortie}', {'overruled': []})['overruled'] == []
    ines.call('PATCH', f'/api/sorties/{marta.sortie_of("Ines")}', {'overruled': [mine]}, status=403)


def test_the_report_and_the_minima_of_the_school_reach_brief_plan_and_ranking(marta):
    sortie = marta.sortie_of('Ines')
    kept = marta.get(f'/api/sorties/{sortie}')
    report = 'LANT 251150Z 05008KT 020V110 9999 -RA BKN016 14/12 Q1016'
    marta.call('PATCH', f'/api/sorties/{sortie}', {'metar': report, 'wind_source': 'report', 'surface_state': 'wet'})
    said = [one['words'] for one in marta.call('POST', f'/api/sorties/{sortie}/brief', {})['brief']['cautions']]
    assert any('The runway is wet' in one for one in said)
    assert not any('minimum of the school' in one for one in said)
    marta.call('PATCH', '/api/school', {'least_ceiling_ft': 2_000.0})
    brief = marta.call('POST', f'/api/sorties/{sortie}/brief', {})['brief']
    assert any('Cloud at 1,600 ft' in one['words'] for one in brief['cautions'] if one['severity'] == 'stop')
    plan = marta.call('POST', f'/api/sorties/{sortie}/plan', {})['plan']['lap_plan']
    assert not plan['laps']
    assert 'Cloud at 1,600 ft' in plan['words']
    # the swing of the wind counts while the report's wind does
    swinging = brief['ground']['ground_roll']['expected_ft']
    marta.call('PATCH', f'/api/sorties/{sortie}', {'wind_source': 'sock'})
    by_sock = marta.call('POST', f'/api/sorties/{sortie}/brief', {})['brief']['ground']['ground_roll']['expected_ft']
    assert by_sock <= swinging
    asked = {'aircraft_id': kept['aircraft']['id'], 'wind_kt': 8.0, 'wind_dir_deg_true': 50.0}
    dry = marta.call('POST', f'/api/airfields/{kept["airfield_id"]}/ranking', asked)['ends']
    white = marta.call(
        'POST', f'/api/airfields/{kept["airfield_id"]}/ranking', asked | {'surface_state': 'snow_or_ice'}
    )['ends']
    assert any(end['within_limits'] for end in dry)
    assert not any(end['within_limits'] for end in white)


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
    with owner(app) as db:
        from bullseye.store import scope
        from bullseye.store.equipment import catalogue
        from bullseye.store.rows.people import School

        school = School(name='Sandling Aero')
        db.add(school)
        db.flush()
        joining.add(db, school=school, login='ada', name='Ada Field', role='chief', password=CHIEF['password'])
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
        'calibration': {name: value for name, value in basis['calibration'].items() if value is not None},
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
