import json
import math
from datetime import UTC, datetime

import ephem
import pytest
from geographiclib.geodesic import Geodesic

from bullseye.core.basis.constants import FT_PER_M
from bullseye.core.brief.ends import ranking_of
from bullseye.core.brief.plan import Plan
from bullseye.core.brief.request import RefusedRequest
from bullseye.core.brief.whole import make_whole_brief
from bullseye.core.brief.whole_request import parse_whole_request
from bullseye.core.exchange.geojson import airfield_from_geojson
from bullseye.core.given.airfield import Airfield
from bullseye.demo.fleet import AIRCRAFT, FIELDS
from tests.core.brief.test_landing import run_brief
from tests.core.making import make_request, request_data

NOW = datetime(2026, 11, 25, 12, 10, tzinfo=UTC)
METAR = 'METAR LANT 251150Z 22012G18KT 9999 FEW030 14/08 Q1016'
GEOJSON = {
    'type': 'FeatureCollection',
    'features': [
        {
            'type': 'Feature',
            'properties': {'ident': 'LANT', 'elevation_ft': 38, 'pattern_altitude_ft': 1_040},
            'geometry': {'type': 'Point', 'coordinates': [-38.4, 47.2]},
        },
        {
            'type': 'Feature',
            'properties': {
                'le_ident': '05',
                'he_ident': '23',
                'width_ft': 60,
                'le_elevation_ft': 38,
                'he_elevation_ft': 58,
            },
            'geometry': {'type': 'LineString', 'coordinates': [[-38.4, 47.2], [-38.3932, 47.206]]},
        },
    ],
}


def lantern_bay():
    field = FIELDS[0]
    return Airfield(
        ident=field.ident,
        latitude_deg=field.lat_deg,
        longitude_deg=field.lon_deg,
        ends=tuple(end for end, _, _ in field.ends),
        pattern_altitude_ft=field.pattern_altitude_ft,
    )


def ranked(*, at=None, **changes):
    return ranking_of(make_request(weight_lb=2_180, **changes), Plan(airfield=lantern_bay(), at=at))


def whole(**data):
    return parse_whole_request(data, aircraft_by_name=AIRCRAFT, now=NOW)


def test_the_end_into_the_wind_comes_first_and_every_reason_is_a_number():
    found = ranked(weather={'wind_kt': 12, 'wind_dir_deg_mag': 60})
    assert found[0].ident == '05'
    assert {end.ident for end in found} == {'05', '23', '14', '32'}  # never hidden
    for end in found:
        assert end.points == pytest.approx(sum(reason.points for reason in end.reasons))
        assert all(
            any(c.isdigit() for c in str(r.words)) for r in end.reasons if r.value is not None and r.name != 'sun'
        )
    assert ranked(weather={'wind_kt': 12, 'wind_dir_deg_mag': 240})[0].ident == '23'


def test_over_a_limit_is_marked_and_last_but_still_there():
    found = ranked(weather={'wind_kt': 16, 'wind_dir_deg_mag': 140}, student_crosswind_limit_kt=6, alone=True)
    assert found[0].ident == '14'  # grass, but into the wind
    across = next(end for end in found if end.ident == '05')
    assert not across.within_limits
    assert any('Crosswind 16 kt is over the student limit of 6 kt' in str(reason.words) for reason in across.reasons)
    assert [end.within_limits for end in found] == sorted((end.within_limits for end in found), reverse=True)


def test_the_sun_low_ahead_counts_against_an_end():
    # at Lantern Bay the sun sets near 236 degrees true in late November; 23 lands on 218
    evening = ranked(at=datetime(2026, 11, 25, 18, 10, tzinfo=UTC))
    by_ident = {end.ident: end for end in evening}
    assert by_ident['23'].sun_in_the_eyes
    assert not by_ident['05'].sun_in_the_eyes
    assert any('in the eyes on final' in str(reason.words) for reason in by_ident['23'].reasons)


def test_one_metar_and_two_choices_are_enough():
    request, plan, report = whole(
        metar=METAR,
        airfield=GEOJSON,
        aircraft='Marram 160',
        weight_lb=2_180,
        landing='normal',
        standard='us_private',
        spot_ft=500,
    )
    assert request.runway.ident == '23'
    assert request.weather.gust_kt == 18
    assert report.warnings == ()
    answer = make_whole_brief(request, plan)
    assert answer.pattern.altitude_ft == 1_040
    assert answer.takeoff.ground_roll_ft > 0
    assert answer.power_off is not None
    assert [end.ident for end in answer.runway_ranking] == ['23', '05']


def test_what_is_given_by_hand_wins_over_the_report():
    request, _, _ = whole(**request_data(weather={'wind_kt': 3}), metar=METAR)
    assert (request.weather.wind_kt, request.weather.gust_kt) == (3, None)
    data = request_data()
    del data['weather']['wind_kt'], data['weather']['wind_dir_deg_mag'], data['weather']['qnh_hpa']
    request, _, _ = whole(**data, metar=METAR)
    assert (request.weather.wind_dir_deg_true, request.weather.qnh_hpa, request.weather.temperature_c) == (
        220,
        1_016,
        15,
    )


@pytest.mark.parametrize(
    ('data', 'fields'),
    [
        ({'metar': 'RUBBISH'}, ['metar']),
        ({'metar': 7}, ['metar']),
        ({'takeoff': 'catapult'}, ['takeoff']),
        ({'time_utc': 'tomorrow'}, ['time_utc']),
        ({'pattern': {'spacing_nm': 9, 'side': 'up'}}, ['pattern.side', 'pattern.spacing_nm']),
        ({'airfield': {'ident': 'X'}}, ['airfield.ends', 'airfield.latitude_deg', 'airfield.longitude_deg']),
        ({'airfield': {'type': 'FeatureCollection', 'features': []}}, ['airfield.features']),
        ({'runway': '99', 'airfield': GEOJSON}, ['runway']),
        ({'runway': '05'}, ['runway']),
    ],
)
def test_every_wrong_part_is_named(data, fields):
    with pytest.raises(RefusedRequest) as refusal:
        whole(**(request_data() | data))
    assert sorted(refusal.value.errors) == fields


def test_a_report_without_temperature_asks_for_it():
    data = request_data()
    del data['weather']
    with pytest.raises(RefusedRequest) as refusal:
        whole(**data, metar='LANT 251150Z 07009KT 9999 Q1016')
    assert 'enter it by hand' in refusal.value.errors['weather.temperature_c']


def test_a_field_from_geojson_has_the_geodesic_length_and_course():
    # independent: geographiclib [pub: Karney (2013)]
    end, other = airfield_from_geojson(GEOJSON, on=NOW.date()).ends
    line = Geodesic.WGS84.Inverse(47.2, -38.4, 47.206, -38.3932)
    assert end.length_ft == pytest.approx(line['s12'] * FT_PER_M, abs=0.5)
    assert end.course_deg_true == pytest.approx(line['azi1'] % 360, abs=0.01)
    assert other.course_deg_true == pytest.approx((line['azi2'] + 180) % 360, abs=0.02)
    assert end.slope_pct == pytest.approx(20 / end.length_ft * 100)
    assert other.elevation_ft == 58


@pytest.mark.command
def test_the_command_line_prints_the_whole_brief_and_its_schema():
    done = run_brief('--json', '-', text=json.dumps(request_data() | {'airfield': GEOJSON, 'takeoff': 'short_field'}))
    assert done.returncode == 0, done.stderr
    answer = json.loads(done.stdout)
    assert answer['takeoff']['kind'] == 'short_field'
    for part in ('legs', 'turns', 'gates', 'path'):
        assert answer['pattern'][part]
    assert len(answer['runway_ranking']) == 2
    schema = json.loads(run_brief('--schema').stdout)
    assert set(answer) == set(schema['answer']['properties'])
    assert {'metar', 'airfield', 'time_utc', 'takeoff', 'pattern'} <= set(schema['request']['properties'])
    assert math.isfinite(answer['power_off']['margin_ft'])


@pytest.mark.parametrize(
    ('at', 'words'),
    [
        ('2026-11-25T14:00:00Z', None),
        ('2026-11-25T18:20:00Z', 'The sun sets'),
        ('2026-11-25T19:10:00Z', 'twilight'),
        ('2026-11-26T02:00:00Z', 'It is night then'),
    ],
)
def test_the_dark_is_told_with_what_it_asks_for(at, words):
    # sunset and twilight by a second library at the same place
    data = {key: value for key, value in request_data().items() if key != 'runway'}
    request, plan, _ = whole(**data, airfield=GEOJSON, time_utc=at)
    there = ephem.Observer()
    there.lat, there.lon, there.date = '47.2', '-38.4', plan.at.replace(tzinfo=None)
    there.pressure = 0
    high_deg = math.degrees(float(ephem.Sun(there).alt))
    notes = [note for note in map(str, make_whole_brief(request, plan).notes) if 'night currency' in note]
    assert bool(notes) == (words is not None)
    if words is not None:
        assert words in notes[0]
        assert '45 min of fuel' in notes[0]
        assert {'The sun sets': high_deg > -0.9, 'twilight': -6 < high_deg < -0.8, 'It is night then': high_deg < -6}[
            words
        ]
