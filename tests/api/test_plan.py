import pytest

from tests.api.test_sorties import choices


@pytest.fixture
def sortie(marta):
    return marta.sortie_of('Ines')


def plan(browser, sortie, **changes):
    return browser.call('POST', f'/api/sorties/{sortie}/plan', changes)['plan']


def test_the_whole_lesson_is_planned_from_what_the_sortie_keeps(marta, sortie):
    found = plan(marta, sortie)
    assert found['runway_ranking'][0]['ident'] == '05'
    assert found['takeoff']['kind'] == 'normal'
    assert found['pattern']['side'] == 'left'
    assert found['pattern']['altitude_ft'] == 1_040  # published for the field
    assert found['power_off']['reach_ft'][0] < found['power_off']['reach_ft'][1]
    # a touch-and-go leaves little, and that is all there is to be said
    assert all('touch-and-go' in one['words'] or 'full stop' in one['words'] for one in found['notes'])
    assert found['touch_and_go_margin_ft'] < found['takeoff']['over_50_margin_ft']


def test_takeoff_and_pattern_can_be_tried_and_kept(marta, sortie):
    tried = plan(marta, sortie, takeoff='soft_field', pattern={'spacing_nm': 1.0, 'side': 'right'})
    assert tried['takeoff']['kind'] == 'soft_field'
    assert tried['pattern']['spacing_ft'] == pytest.approx(6_076, abs=1)
    assert plan(marta, sortie)['takeoff']['kind'] == 'normal'  # trying keeps nothing
    kept = marta.call('PATCH', f'/api/sorties/{sortie}', {'takeoff': 'short_field', 'pattern': {'bank_deg': 20}})
    assert kept['takeoff'] == 'short_field'
    assert plan(marta, sortie)['pattern']['turns'][0]['bank_deg'] == 20
    marta.call('PATCH', f'/api/sorties/{sortie}', {'pattern': None})
    assert plan(marta, sortie)['pattern']['turns'][0]['bank_deg'] == 25


def test_what_cannot_be_flown_is_said_and_a_wrong_choice_is_named(marta, sortie):
    storm = plan(marta, sortie, pattern={'wind_dir_deg_true': 128, 'wind_kt': 95})
    assert storm['pattern'] is None
    assert 'stronger than the aeroplane is fast' in storm['notes'][0]['words']
    assert storm['takeoff']['ground_roll_ft'] > 0
    refused = marta.call('POST', f'/api/sorties/{sortie}/plan', {'pattern': {'spacing_nm': 9}}, status=422)
    assert list(refused['fields']) == ['pattern.spacing_nm']


def test_a_report_is_read_for_its_field(marta):
    field = marta.get('/api/catalogue')['airfields'][0]
    found = marta.call(
        'POST', f'/api/airfields/{field["id"]}/metar', {'text': 'lant 251150z 03014g22kt 9999 12/08 q1009'}
    )
    assert found['report']['gust_kt'] == 22
    assert found['wind_dir_deg_mag'] == pytest.approx(42.4)  # 12.4 degrees west
    refused = marta.call('POST', f'/api/airfields/{field["id"]}/metar', {'text': 'LANT 251150Z NONSENSE'}, status=422)
    assert 'NONSENSE' in refused['fields']['metar']
    marta.call('POST', '/api/airfields/999/metar', {'text': 'X'}, status=404)


def test_runways_are_ranked_against_the_students_own_limit(marta, ines):
    asked = choices(marta)
    field = marta.get('/api/catalogue')['airfields'][0]['id']
    body = {name: asked[name] for name in ('aircraft_id', 'student_id')} | {
        'wind_kt': 12,
        'wind_dir_deg_mag': 130,
        'alone': True,
    }
    students = marta.get('/api/catalogue')['people']
    body['student_id'] = next(one['id'] for one in students if one['name'] == 'Ines Carvalho')
    ends = marta.call('POST', f'/api/airfields/{field}/ranking', body)['ends']
    assert ends[0]['ident'] == '14'
    said = ' '.join(reason['words'] for end in ends for reason in end['reasons'])
    assert 'student limit of 6 kt' in said
    assert 'school limit of 8 kt' in said
    refused = marta.call('POST', f'/api/airfields/{field}/ranking', body | {'gust_kt': 5}, status=422)
    assert list(refused['fields']) == ['weather.gust_kt']
    ines.call('POST', f'/api/airfields/{field}/ranking', body, status=403)
