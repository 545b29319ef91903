"""Entering aircraft, fields, standards and techniques over the API: who may, what is refused, and nothing past is lost."""

import copy
import socket
import threading
import time
from contextlib import suppress

import pytest
from sqlalchemy.orm.exc import StaleDataError

from bullseye.demo.fleet import MARRAM_160
from bullseye.paper.kneeboard import latin
from bullseye.sim.weather import station
from bullseye.store import scope
from bullseye.store.flying import stations
from bullseye.store.rows.flying import Sortie
from tests.api.conftest import Browser, owner

TABLE = '\t0\t30\n0\t500\t560\n4000\t600\t670'


def aircraft_of(browser, name='Marram 160'):
    return next(row for row in browser.get('/api/catalogue')['aircraft'] if row['name'] == name)


def test_a_new_aircraft_can_be_flown_at_once(marta):
    spec = copy.deepcopy(aircraft_of(marta)['spec']) | {'name': 'Dunlin 115', 'demonstrated_crosswind_kt': None}
    spec['landing_table'] = marta.call('POST', '/api/tables', {'kind': 'landing', 'text': TABLE})['landing']
    made = marta.call('POST', '/api/aircraft', {'spec': spec}, status=201)
    sortie = marta.get(f'/api/sorties/{marta.sortie_of("Ines")}')
    changed = marta.call('PATCH', f'/api/sorties/{sortie["id"]}', {'aircraft_id': made['id']})
    assert changed['aircraft']['name'] == 'Dunlin 115'
    brief = marta.call('POST', f'/api/sorties/{sortie["id"]}/brief', {})['brief']
    assert 'silent' in brief['wind']['crosswind_limits'][0]['source']


@pytest.mark.parametrize(
    ('change', 'field'),
    [
        ({'empty_weight_lb': 9_000}, 'spec.empty_weight_lb'),
        ({'max_weight_lb': -1}, 'spec.max_weight_lb'),
        ({'name': 'Sorrel 200R'}, 'name'),
        ({'flaps': []}, 'spec.flaps'),
        ({'fuel_burn_gph': 0}, 'spec.fuel_burn_gph'),
        ({'wings': 2}, 'spec.wings'),
        ({'vx_kias': 90.0, 'vy_kias': 74.0}, 'spec.vx_kias'),
        ({'rotate_kias': 30.0}, 'spec.rotate_kias'),
    ],
)
def test_a_wrong_figure_of_an_aircraft_is_named(marta, change, field):
    row = aircraft_of(marta)
    reply = marta.call('PUT', f'/api/aircraft/{row["id"]}', {'spec': row['spec'] | change}, status=422)
    assert field in reply['fields']
    assert aircraft_of(marta) == row


def test_an_approach_too_near_the_stall_is_refused_where_it_is_entered(marta):
    row = aircraft_of(marta)
    spec = copy.deepcopy(row['spec'])
    flap = spec['flaps'][-1]
    flap['short_field_approach_kias'] = round(
        MARRAM_160.flaps[-1].airspeed_table.indicated_kt(1.08 * flap['stall_kcas'])
    )
    refused = marta.call('PUT', f'/api/aircraft/{row["id"]}', {'spec': spec}, status=422)
    assert 'at least 1.1 times the stall' in refused['message'] + str(refused['fields'])
    flap['short_field_approach_kias'] += 4
    marta.call('PUT', f'/api/aircraft/{row["id"]}', {'spec': spec})


def test_a_changed_aircraft_leaves_past_scores_as_they_were(marta):
    past = next(one for one in marta.sorties() if one['laps'])
    before = marta.get(f'/api/sorties/{past["id"]}/laps')['laps']
    row = aircraft_of(marta)
    marta.call('PUT', f'/api/aircraft/{row["id"]}', {'spec': row['spec'] | {'blind_distance_ft': 90.0}})
    assert marta.get(f'/api/sorties/{past["id"]}/laps')['laps'] == before


def test_what_is_taken_out_of_use_is_no_longer_offered_but_still_read(marta):
    past = next(one for one in marta.sorties() if one['laps'])
    row = aircraft_of(marta)
    marta.call('DELETE', f'/api/aircraft/{row["id"]}', status=204)
    assert 'Marram 160' not in [one['name'] for one in marta.get('/api/catalogue')['aircraft']]
    assert marta.get(f'/api/sorties/{past["id"]}')['aircraft']['name'] == 'Marram 160'
    assert marta.call('POST', f'/api/sorties/{past["id"]}/brief', {})['brief']['speed']['approach_speed_kias'] > 50
    fields = marta.call('PATCH', f'/api/sorties/{past["id"]}', {'weight_lb': 2_000.0})  # the same aircraft may stay
    assert fields['weight_lb'] == 2_000
    other = aircraft_of(marta, 'Sorrel 200R')['id']
    marta.call('PATCH', f'/api/sorties/{past["id"]}', {'aircraft_id': other})
    refused = marta.call('PATCH', f'/api/sorties/{past["id"]}', {'aircraft_id': row['id']}, status=422)
    assert 'aircraft_id' in refused['fields']
    marta.call('POST', f'/api/aircraft/{row["id"]}/restore', {}, status=204)
    assert aircraft_of(marta) == row


def test_the_last_one_cannot_be_taken_out_of_use(marta):
    rows = marta.get('/api/catalogue')['aircraft']
    for row in rows[1:]:
        marta.call('DELETE', f'/api/aircraft/{row["id"]}', status=204)
    assert 'last one' in marta.call('DELETE', f'/api/aircraft/{rows[0]["id"]}', status=409)['message']


WRITES = [
    ('POST', '/api/aircraft', lambda c: {'spec': c['aircraft'][0]['spec'] | {'name': 'X'}}),
    ('PUT', '/api/aircraft/{aircraft}', lambda c: {'spec': c['aircraft'][0]['spec']}),
    ('DELETE', '/api/aircraft/{aircraft}', lambda c: None),
    ('POST', '/api/aircraft/{aircraft}/restore', lambda c: {}),
    ('POST', '/api/tables', lambda c: {'kind': 'landing', 'text': TABLE}),
    ('POST', '/api/techniques', lambda c: {'name': 'X', 'spec': {}}),
    ('POST', '/api/techniques/{techniques}/mine', lambda c: {}),
    ('POST', '/api/airfields', lambda c: {'geojson': {'type': 'FeatureCollection', 'features': []}}),
    ('DELETE', '/api/airfields/{airfields}', lambda c: None),
    ('POST', '/api/airfields/table', lambda c: {'text': 'x'}),
    ('POST', '/api/standards', lambda c: {'spec': c['standards'][0]['spec'] | {'name': 'X'}}),
    ('DELETE', '/api/standards/{standards}', lambda c: None),
]


@pytest.mark.parametrize(('method', 'path', 'body'), WRITES)
def test_a_student_changes_nothing_of_the_school(ines, method, path, body):
    offered = ines.get('/api/catalogue')
    path = path.format(
        **{name: offered[name][0]['id'] for name in ('aircraft', 'techniques', 'airfields', 'standards')}
    )
    ines.call(method, path, body(offered), status=403)
    assert ines.get('/api/catalogue') == offered


def test_only_the_chief_changes_standards(app, marta):
    elias = Browser(app).sign_in('elias')
    spec = marta.get('/api/catalogue')['standards'][0]['spec'] | {'name': 'Ours'}
    elias.call('POST', '/api/standards', {'spec': spec}, status=403)
    made = marta.call('POST', '/api/standards', {'spec': spec}, status=201)
    elias.call('DELETE', f'/api/standards/{made["id"]}', status=403)
    spec['normal'] = spec['normal'] | {'touchdown_to_ft': 300.0}
    assert marta.call('PUT', f'/api/standards/{made["id"]}', {'spec': spec})['spec']['normal']['touchdown_to_ft'] == 300


@pytest.mark.parametrize('what', ['standards', 'techniques'])
def test_what_is_built_in_stays_as_it_is(marta, what):
    row = marta.get('/api/catalogue')[what][0]
    assert row['is_built_in']
    body = {'spec': row['spec']} if what == 'standards' else {'spec': row['spec'], 'name': 'Mine'}
    assert 'copy' in marta.call('PUT', f'/api/{what}/{row["id"]}', body, status=409)['message']
    marta.call('DELETE', f'/api/{what}/{row["id"]}', status=409)


def test_a_technique_of_ones_own_is_followed_by_new_sorties(marta):
    spec = {'aim_distance': 'fixed', 'crosswind_flap': 'reduced', 'rollout_flap': 'flap_up'}
    made = marta.call('POST', '/api/techniques', {'name': 'Marta', 'spec': spec}, status=201)
    marta.call('POST', f'/api/techniques/{made["id"]}/mine', {}, status=204)
    assert marta.get('/api/catalogue')['my_technique_id'] == made['id']
    old = marta.get(f'/api/sorties/{marta.sortie_of("Ines")}')
    body = {
        'student_id': old['student']['id'],
        'aircraft_id': old['aircraft']['id'],
        'runway_end_id': old['runway_end_id'],
        'standard_id': old['standard']['id'],
        'landing': 'crosswind',
        'wind_kt': 6.0,
        'wind_dir_deg_mag': 80.0,
    }
    sortie = marta.call('POST', '/api/sorties', body, status=201)
    assert sortie['technique']['name'] == 'Marta'
    assert sortie['flap'] == 'half'
    brief = marta.call('POST', f'/api/sorties/{sortie["id"]}/brief', {})['brief']
    assert brief['aim']['aim_point_ft'] == pytest.approx(sortie['spot_ft'] - 200)
    warned = marta.call('POST', '/api/techniques/check', {'spec': spec})
    assert any('Sorrel 200R' in text for text in warned['warnings'])
    assert {card['kind'] for card in warned['cards']} >= {'go_around', 'hold_off_drill'}


def test_another_landing_brings_its_own_flap(marta):
    sortie = marta.sortie_of('Ines')
    assert marta.call('PATCH', f'/api/sorties/{sortie}', {'landing': 'no_flap'})['flap'] == 'up'
    assert marta.call('PATCH', f'/api/sorties/{sortie}', {'landing': 'normal'})['flap'] == 'full'


def test_a_field_goes_out_as_geojson_and_comes_back(marta):
    row = marta.get('/api/catalogue')['airfields'][0]
    data = marta.get(f'/api/airfields/{row["id"]}/geojson')
    data['features'][0]['properties']['name'] = 'Lantern Bay, copied'
    made = marta.call('POST', '/api/airfields', {'geojson': data}, status=201)
    assert [end['ident'] for end in made['ends']] == [end['ident'] for end in row['ends']]
    assert made['marks'] == row['marks']
    for a, b in zip(made['ends'], row['ends'], strict=True):
        assert a['spec']['length_ft'] == pytest.approx(b['spec']['length_ft'], abs=2)


def test_a_runway_that_is_closed_for_good_stays_in_past_sorties(marta):
    row = marta.get('/api/catalogue')['airfields'][0]
    data = marta.get(f'/api/airfields/{row["id"]}/geojson')
    past = next(one for one in marta.sorties() if one['laps'])
    lines = [one for one in data['features'] if one['geometry']['type'] == 'LineString']
    paved = next(one for one in lines if one['properties']['ends'][0]['ident'] == '05')
    data['features'].remove(paved)
    changed = marta.call('PUT', f'/api/airfields/{row["id"]}', {'geojson': data})
    assert [end['ident'] for end in changed['ends']] == ['14', '32']
    assert marta.get(f'/api/sorties/{past["id"]}')['runway']['ident'] == '05'
    assert marta.call('POST', f'/api/sorties/{past["id"]}/plan', {})['plan']['takeoff']['ground_roll_ft'] > 0
    data['features'].append(paved)
    again = marta.call('PUT', f'/api/airfields/{row["id"]}', {'geojson': data})
    assert {end['id'] for end in again['ends']} == {end['id'] for end in row['ends']}


@pytest.mark.parametrize(
    'geojson',
    [
        {'type': 'FeatureCollection', 'features': []},
        {'type': 'FeatureCollection', 'features': [{'type': 'Feature', 'geometry': None, 'properties': None}]},
        {'type': 'FeatureCollection', 'features': [{'geometry': {'type': 'LineString', 'coordinates': 'x'}}]},
        {'type': 'FeatureCollection', 'features': [{}] * 201},
        {'type': 'Feature'},
    ],
)
def test_a_field_that_is_none_is_refused(marta, geojson):
    assert marta.call('POST', '/api/airfields', {'geojson': geojson}, status=422)['fields']


def test_loading_is_added_up(marta):
    row = aircraft_of(marta)
    body = {'aircraft_id': row['id'], 'loading': {'people_lb': [170.0], 'bags_lb': 10.0, 'fuel_gal': 10.0}}
    found = marta.call('POST', '/api/loading', body)['loaded']
    assert found['weight_lb'] == MARRAM_160.empty_weight_lb + 170 + 10 + 60


def test_another_school_sees_and_changes_nothing_of_this_one(marta, ada):
    ours = marta.get('/api/catalogue')
    for what in ('aircraft', 'airfields', 'standards', 'techniques'):
        row = ours[what][0]
        ada.call('DELETE', f'/api/{what}/{row["id"]}', status=404)
        ada.call('POST', f'/api/{what}/{row["id"]}/restore', {}, status=404)
    ada.call('PUT', f'/api/aircraft/{ours["aircraft"][0]["id"]}', {'spec': ours['aircraft'][0]['spec']}, status=404)
    ada.get(f'/api/airfields/{ours["airfields"][0]["id"]}/geojson', status=404)
    sortie = marta.sortie_of('Ines')
    ada.get(f'/api/sorties/{sortie}/kneeboard', status=404)
    ada.get(f'/api/sorties/{sortie}/kneeboard-a5.pdf', status=404)
    assert marta.get('/api/catalogue') == ours


# lap plan, kneeboard, station


def test_a_lap_plan_is_kept_as_ordered_and_worked_out_anew(marta):
    sortie = marta.sortie_of('Owen')
    made = marta.call('POST', f'/api/sorties/{sortie}/plan', {})['plan']['lap_plan']
    assert not made['is_own']
    names = ('kind', 'runway', 'spot_ft', 'watch', 'why')
    laps = [{name: lap[name] for name in names} for lap in reversed(made['laps'])]
    assert marta.call('PATCH', f'/api/sorties/{sortie}', {'lap_plan': laps})['lap_plan'] == laps
    own = marta.call('POST', f'/api/sorties/{sortie}/plan', {})['plan']['lap_plan']
    assert own['is_own']
    assert [lap['kind'] for lap in own['laps']] == [lap['kind'] for lap in laps]
    marta.call('PATCH', f'/api/sorties/{sortie}', {'lap_plan': None})
    assert marta.call('POST', f'/api/sorties/{sortie}/plan', {})['plan']['lap_plan'] == made
    wrong = [laps[0] | {'kind': 'looping'}]
    assert marta.call('PATCH', f'/api/sorties/{sortie}', {'lap_plan': wrong}, status=422)['fields']


def test_booked_time_fuel_and_hour_reach_the_plan(marta):
    sortie = marta.sortie_of('Owen')
    body = {'booked_min': 240.0, 'fuel_gal': 12.0, 'planned_time': '18:30:00'}
    marta.call('PATCH', f'/api/sorties/{sortie}', body)
    plan = marta.call('POST', f'/api/sorties/{sortie}/plan', {})['plan']
    assert 'sunset' in plan['lap_plan']['words'] or 'fuel' in plan['lap_plan']['words']
    later = plan['sun']['elevation_deg']
    marta.call('PATCH', f'/api/sorties/{sortie}', {'planned_time': '14:30:00'})
    assert marta.call('POST', f'/api/sorties/{sortie}/plan', {})['plan']['sun']['elevation_deg'] > later


def test_the_kneeboard_card_is_had_by_who_may_read_the_sortie(app, marta, ines):
    sortie = marta.sortie_of('Ines')
    card = ines.get(f'/api/sorties/{sortie}/kneeboard')['kneeboard']
    assert card['title'] == 'Ines Carvalho, Marram 160, Lantern Bay 05'
    for paper in ('a5', 'a4'):
        reply = ines.client.get(f'/api/sorties/{sortie}/kneeboard-{paper}.pdf')
        assert reply.mimetype == 'application/pdf'
        assert reply.data.startswith(b'%PDF-')
    ines.get(f'/api/sorties/{marta.sortie_of("Owen")}/kneeboard', status=404)
    assert Browser(app).client.get(f'/api/sorties/{sortie}/kneeboard-a5.pdf').status_code == 401


def test_names_in_other_letters_stand_on_paper_in_fonts_that_have_them():
    assert latin('Ines Carvalho') == 'Ines Carvalho'
    assert latin('Łukasz') == '<font name="DejaVuSans">Ł</font>ukasz'
    assert latin('山田 太郎').count('<font name="DroidSansFallback">') == 2
    # joined, and from the right: the first letter of the name stands last, in the form that begins a word
    assert latin('محمد') == '<font name="DejaVuSans">ﺪﻤﺤﻣ</font>'
    assert latin('a<b & 山') == 'a&lt;b &amp; <font name="DroidSansFallback">山</font>'


def test_without_a_station_there_is_none_and_a_silent_one_is_said(marta, monkeypatch):
    field = marta.get('/api/catalogue')['airfields'][0]['id']
    monkeypatch.delenv('BULLSEYE_WEATHER_URL', raising=False)
    assert marta.get(f'/api/airfields/{field}/station')['has_station'] is False
    monkeypatch.setenv('BULLSEYE_WEATHER_URL', 'http://127.0.0.1:9')
    silent = marta.get(f'/api/airfields/{field}/station')
    assert silent['has_station']
    assert 'does not answer' in silent['problem']


def test_the_station_of_a_field_is_asked_and_read(marta, monkeypatch):
    server = station('steady-crosswind', port=0)
    threading.Thread(target=server.serve_forever, daemon=True).start()
    monkeypatch.setenv('BULLSEYE_WEATHER_URL', f'http://127.0.0.1:{server.server_address[1]}')
    try:
        field = marta.get('/api/catalogue')['airfields'][0]
        found = marta.get(f'/api/airfields/{field["id"]}/station')
        assert found['text'].startswith('LANT ')
        variation = field['ends'][0]['spec']['magnetic_variation_deg']
        assert found['wind_dir_deg_mag'] == pytest.approx(found['report']['wind_dir_deg_true'] - variation)
    finally:
        server.shutdown()
        server.server_close()


def _answering(*parts: bytes, every_s: float = 0.0):
    """A station that answers a request with some bytes, one part after the other."""
    listener = socket.create_server(('127.0.0.1', 0))

    def serve():
        with listener, suppress(OSError):
            one, _ = listener.accept()
            with one:
                one.recv(4_000)
                for part in parts:
                    one.sendall(part)
                    time.sleep(every_s)

    threading.Thread(target=serve, daemon=True).start()
    return f'http://127.0.0.1:{listener.getsockname()[1]}'


OK = b'HTTP/1.1 200 OK\r\n'


@pytest.mark.parametrize(
    ('parts', 'every_s', 'words'),
    [
        ([b'GNOME\r\n\r\n'], 0.0, 'cannot be read'),
        ([b''], 0.0, 'does not answer'),
        ([OK + b'Content-Length: 90\r\n\r\nLANT 0112'], 0.0, 'broke off'),
        ([OK + b'Transfer-Encoding: chunked\r\n\r\nzz\r\nLANT'], 0.0, 'broke off'),
        ([OK + b'\r\n\xff\xfe'], 0.0, 'no report'),
        ([OK + b'\r\n' + b'A' * 5_000], 0.0, 'no report'),
        ([OK + b'\r\nLANT\x00\x07'], 0.0, 'no report'),
        ([b'HTTP/1.1 404 Not Found\r\n\r\n'], 0.0, 'answers 404'),
        ([OK + b'X: ' + b'a' * 70_000], 0.0, 'cannot be read'),
        ([OK + b'\r\n', *[b'L'] * 60], 0.2, 'took too long'),
        ([OK, *[b'X-Slow: 1\r\n'] * 60], 0.2, 'took too long'),
    ],
)
def test_a_station_that_answers_badly_or_slowly_is_told_in_words(marta, monkeypatch, parts, every_s, words):
    monkeypatch.setattr(stations, '_PATIENCE_S', 1.0)
    monkeypatch.setenv('BULLSEYE_WEATHER_URL', _answering(*parts, every_s=every_s))
    field = marta.get('/api/catalogue')['airfields'][0]
    begun = time.monotonic()
    found = marta.get(f'/api/airfields/{field["id"]}/station')
    assert words in found['problem']
    assert (found['report'], found['text']) == (None, None)
    assert time.monotonic() - begun < 6  # the trickling ones would take twelve


def keep(browser, path, body, *, seen, status=200):
    """Write over the revision that was seen."""
    headers = {'X-CSRFToken': browser.token, 'If-Match': f'"{seen}"'}
    reply = browser.client.put(path, json=body, headers=headers)
    assert reply.status_code == status, reply.get_data(as_text=True)[:400]
    return reply.get_json()


@pytest.mark.parametrize('what', ['aircraft', 'airfields', 'standards', 'techniques'])
def test_nobody_writes_over_what_they_have_not_seen(marta, elias, what):
    """Two have the same open; the second to keep it is told, and shown how it stands."""
    if what == 'standards':
        elias = marta  # on another device: only she may
    first = marta.get('/api/catalogue')
    if what in ('standards', 'techniques'):  # built-in ones stay
        spec = {**first[what][0]['spec']} | ({'name': 'Ours'} if what == 'standards' else {})
        row = marta.call(
            'POST', f'/api/{what}', {'spec': spec} | ({'name': 'Ours'} if what == 'techniques' else {}), status=201
        )
    else:
        row = first[what][0]
    path = f'/api/{what}/{row["id"]}'

    def body(n):
        if what == 'airfields':
            geojson = marta.get(f'{path}/geojson')
            for one in geojson['features']:
                if one['properties']['kind'] == 'airfield':
                    one['properties']['pattern_altitude_ft'] = 1_100.0 + n
            return {'geojson': geojson}
        if what == 'techniques':
            return {'name': f'Ours {n}', 'spec': row['spec']}
        return {'spec': row['spec'] | {'name': f'Of all {n}'}}

    seen = row['revision']
    hers = keep(marta, path, body(1), seen=seen)
    assert hers['revision'] == seen + 1
    told = keep(elias, path, body(2), seen=seen, status=409)
    assert told['code'] == 'changed_meanwhile'
    assert told['now']['revision'] == seen + 1
    assert told['now']['name'] == hers['name']
    assert told['now']['spec']
    after = next(one for one in marta.get('/api/catalogue')[what] if one['id'] == row['id'])
    assert after == hers  # not written
    his = keep(elias, path, body(2), seen=told['now']['revision'])  # knowingly over it
    assert his['revision'] == seen + 2
    assert elias.call('PUT', path, body(3), seen=None, status=428)['code'] == 'revision_not_given'
    assert elias.call('PUT', path, body(3), seen='*')['revision'] == seen + 3  # whatever there is, and said so
    keep(elias, path, body(4), seen='x', status=422)


def test_a_sortie_changed_by_two_loses_neither_change(marta, elias):
    path = f'/api/sorties/{marta.sortie_of("Owen")}'
    sortie = marta.get(path)
    was = {'wind_kt': sortie['wind_kt'], 'weight_lb': sortie['weight_lb']}
    marta.call('PATCH', path, {'wind_kt': 11.0, 'was': was})
    elias.call('PATCH', path, {'weight_lb': was['weight_lb'] - 60, 'was': was})  # something else
    elias.call('PATCH', path, {'wind_kt': 11.0, 'was': was})  # the same by both
    told = elias.call('PATCH', path, {'wind_kt': 4.0, 'was': was}, status=409)
    assert told['now'] == {'wind_kt': 11.0}
    assert 'set the wind meanwhile to 11; you would set it to 4' in told['message']
    now = marta.get(path)
    assert (now['wind_kt'], now['weight_lb']) == (11.0, was['weight_lb'] - 60)
    elias.call('PATCH', path, {'wind_kt': 4.0, 'was': {'wind_kt': 11.0}})
    assert marta.get(path)['wind_kt'] == 4.0


def test_a_sortie_is_changed_as_it_was_seen_or_not_at_all(marta, elias):
    path = f'/api/sorties/{marta.sortie_of("Owen")}'
    seen = marta.get(path)['revision']
    assert marta.call('PATCH', path, {'spot_ft': 300.0}, seen=None, status=428)['code'] == 'revision_not_given'
    hers = marta.call('PATCH', path, {'spot_ft': 300.0}, seen=f'"{seen}"')
    assert hers['revision'] == seen + 1
    told = elias.call('PATCH', path, {'spot_ft': 700.0}, seen=f'"{seen}"', status=409)
    assert told['now']['revision'] == seen + 1
    assert marta.get(path)['spot_ft'] == 300.0
    # part of what is changed was said as it was seen, the rest was not
    both = {'spot_ft': 700.0, 'booked_min': 50.0, 'was': {'spot_ft': 300.0}}
    elias.call('PATCH', path, both, seen=f'"{seen}"', status=409)
    assert elias.call('PATCH', path, both, seen=f'"{seen + 1}"')['spot_ft'] == 700.0


def test_two_who_write_a_sortie_at_the_same_moment_are_told(app, marta):
    """Also where a change does not wait for the other: the revision of the row itself decides."""
    sortie_id = marta.sortie_of('Owen')
    with owner(app) as one, owner(app) as other:
        scope.see_every_school(one)
        scope.see_every_school(other)
        first, second = one.get_one(Sortie, sortie_id), other.get_one(Sortie, sortie_id)
        first.cancelled_for, second.spot_ft = 'Fog.', 310.0
        one.commit()
        with pytest.raises(StaleDataError):
            other.commit()


def test_the_laps_of_one_student_never_become_those_of_another(marta):
    sortie_id = marta.sortie_of('Owen')
    path, people = f'/api/sorties/{sortie_id}', marta.get('/api/catalogue')['people']
    ines = next(one['id'] for one in people if one['name'].startswith('Ines'))
    marta.call('PATCH', path, {'student_id': ines})  # nothing flown yet
    owen = next(one['id'] for one in people if one['name'].startswith('Owen'))
    marta.call('PATCH', path, {'student_id': owen})
    marta.put_lap(sortie_id, outcome='touch_and_go', along_ft=900.0)
    told = marta.call('PATCH', path, {'student_id': ines}, status=409)
    assert 'on the record of whoever flew them' in told['message']
    assert marta.get(path)['student']['id'] == owen
