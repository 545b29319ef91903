"""What a school enters: pasted tables, fields as GeoJSON and CSV, loading, and the simulated weather station."""

import dataclasses
import math
import threading
import urllib.error
import urllib.request
from datetime import UTC, date, datetime, time, timedelta

import pytest
from geographiclib.geodesic import Geodesic
from hypothesis import given
from hypothesis import strategies as st

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.brief.asked import takeoff_of
from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.plan import Plan
from bullseye.core.brief.setup import landing_setup
from bullseye.core.exchange.calendar import CalendarEntry, calendar_text
from bullseye.core.exchange.geojson import (
    airfield_from_geojson,
    airfield_to_geojson,
    marks_from_geojson,
    runway_pairs,
    thresholds_from_geojson,
)
from bullseye.core.exchange.metar import read_metar
from bullseye.core.exchange.paste import read_landing_table, read_takeoff_table
from bullseye.core.exchange.runwaycsv import read_runway_table
from bullseye.core.given.airfield import GroundMark
from bullseye.core.given.loading import Loading, loaded
from bullseye.demo.fleet import FIELDS, MARRAM_160
from bullseye.sim.weather import SCENARIOS, report, station
from tests.core.making import make_request

TODAY = date(2026, 11, 25)
LANDING = '\t0\t10\t20\n0\t530\t550\t570\n2000\t570\t590\t610'
TAKEOFF = 'alt\ttemp\tweight\troll\tover 50\n' + '\n'.join(
    f'{a}\t{t}\t{w}\t{500 + a // 10 + 5 * t + w // 10}\t{1_000 + a // 5 + 9 * t + w // 5}'
    for a in (0, 2_000)
    for t in (0, 20)
    for w in (1_900, 2_400)
)


@pytest.mark.parametrize('mark', ['\t', ';', ','])
def test_a_landing_table_is_read_whatever_stands_between_the_cells(mark):
    table = read_landing_table(LANDING.replace('\t', mark))
    assert table.temperature_c == (0, 10, 20)
    assert table.ground_roll_ft == ((530, 550, 570), (570, 590, 610))
    assert table.ground_roll(pressure_altitude_ft=1_000, temperature_c=5) == pytest.approx(560)


def test_numbers_are_read_as_spreadsheets_write_them():
    table = read_landing_table('\t0\t10\n0\t1,030\t1 050\n2\u00a0000\t1,570\t1.590,5'.replace('1.590,5', '1590,5'))
    assert table.pressure_altitude_ft == (0, 2_000)
    assert table.ground_roll_ft == ((1_030, 1_050), (1_570, 1_590.5))


@pytest.mark.parametrize(
    ('text', 'words'),
    [
        ('', 'nothing'),
        ('just words', 'apart by tabs'),
        (LANDING.replace('590', '59O'), '“59O”. Enter a number in row 3, column 3'),
        (LANDING.replace('590', '540'), 'in row 3, column 3, not less than'),
        (LANDING + '\n4000\t600', 'row 4 with 2 cells'),
        (LANDING.replace('2000', '0'), 'above the value before it'),
        (LANDING.replace('610', '-5'), 'row 3, column 4'),
    ],
)
def test_a_wrong_cell_of_a_landing_table_is_named(text, words):
    with pytest.raises(InvalidInput) as refusal:
        read_landing_table(text)
    assert words in str(refusal.value)


def test_takeoff_cases_may_come_in_any_order():
    lines = TAKEOFF.split('\n')
    assert read_takeoff_table(TAKEOFF) == read_takeoff_table('\n'.join([lines[0], *lines[:0:-1]]))
    assert read_takeoff_table(TAKEOFF).weight_lb == (1_900, 2_400)


@pytest.mark.parametrize(
    ('change', 'words'),
    [
        (lambda lines: lines[:-1], 'a row for 2000 ft, 20 °C, 2400 lb'),
        (lambda lines: [*lines, lines[-1]], 'only once'),
        (lambda lines: [*lines[:-1], lines[-1] + '\t9'], '6 cells'),
        (lambda lines: [*lines[:-1], '2000\t20\t2400\t100\t2000'], 'not less than at the lower'),
        (lambda lines: [*lines[:-1], '2000\t20\t2400\t2000\t1990'], 'above the ground roll'),
    ],
)
def test_a_wrong_case_of_a_takeoff_table_is_named(change, words):
    with pytest.raises(InvalidInput) as refusal:
        read_takeoff_table('\n'.join(change(TAKEOFF.split('\n'))))
    assert words in str(refusal.value)


@given(st.text(max_size=200))
def test_no_text_crashes_the_table_readers(text):
    for read in (read_landing_table, read_takeoff_table, read_runway_table):
        with pytest.raises(InvalidInput):
            read(text)


def test_a_landing_table_may_hold_the_distance_over_fifty_feet_beside_each_roll():
    both = '\t0\t10\n0\t530/1,210\t550/1 240\n2000\t570/1280\t590/1310'
    table = read_landing_table(both)
    assert table.ground_roll_ft == ((530, 550), (570, 590))
    assert table.over_50_ft_ft == ((1_210, 1_240), (1_280, 1_310))
    for wrong in (
        both.replace('/1310', ''),
        both.replace('/1280', '').replace('/1310', ''),
        both.replace('1280', '560'),
    ):
        with pytest.raises(InvalidInput):
            read_landing_table(wrong)


# loading


def test_loading_adds_up_and_says_when_it_is_too_much():  # [pub: FAA-H-8083-1, avgas 6 lb a gallon]
    made = loaded(MARRAM_160, Loading(people_lb=(170, 180), bags_lb=20, fuel_gal=30))
    assert made.weight_lb == 1_450 + 350 + 20 + 180
    assert made.over_lb == made.weight_lb - 2_400
    over = loaded(MARRAM_160, Loading(people_lb=(250, 250, 250), fuel_gal=50))
    assert 'OVER' in str(over.words)
    with pytest.raises(InvalidInput):
        Loading(fuel_gal=-1)


# fields


def written(field, marks=()):
    return airfield_to_geojson(
        name=field.name,
        ident=field.ident,
        elevation_ft=field.elevation_ft,
        pattern_altitude_ft=field.pattern_altitude_ft,
        ends=field.ends,
        marks=marks,
    )


@pytest.mark.parametrize('field', FIELDS, ids=lambda one: one.ident)
def test_a_field_written_as_geojson_is_read_back(field):
    data = written(field, field.marks)
    read = airfield_from_geojson(data, on=TODAY)
    assert read.name == field.name
    assert read.pattern_altitude_ft == field.pattern_altitude_ft
    assert marks_from_geojson(data) == field.marks
    kept = {end.ident: (end, lat, lon) for end, lat, lon in field.ends}
    for end, lat, lon in thresholds_from_geojson(data, read):
        before, before_lat, before_lon = kept[end.ident]
        assert end.length_ft == pytest.approx(before.length_ft, abs=2)
        assert (end.course_deg_true - before.course_deg_true + 180) % 360 - 180 == pytest.approx(0, abs=0.1)
        for name in (
            'displaced_threshold_ft',
            'surface',
            'obstacle',
            'departure_obstacle',
            'preferred',
            'pattern_side',
        ):
            assert getattr(end, name) == getattr(before, name)
        apart = Geodesic.WGS84.Inverse(lat, lon, before_lat, before_lon)['s12'] / 0.3048
        assert apart < 3  # ft; the earth is taken as flat within a field


def test_the_two_ends_of_a_runway_are_known_by_their_places():
    pairs = runway_pairs(FIELDS[0].ends)
    assert [(a[0].ident, b[0].ident) for a, b in pairs] == [('05', '23'), ('14', '32')]


@pytest.mark.parametrize(
    ('change', 'field'),
    [
        (lambda line: line['properties'].update(ends=[{'ident': '05'}]), 'ends'),
        (lambda line: line['properties']['ends'][0].update(ident=''), 'le_ident'),
        (lambda line: line['properties']['ends'][1].update(pattern='up'), 'pattern'),
        (lambda line: line['properties']['ends'][0].update(obstacle={'height_ft': 3}), 'le_obstacle'),
        (lambda line: line['properties'].update(surface='ice'), 'surface'),
        (lambda line: line['geometry'].update(coordinates=[[0, 0]]), 'coordinates'),
        (lambda line: line['geometry'].update(coordinates=[[0, 95], [0, 0]]), 'coordinates'),
    ],
)
def test_a_wrong_member_of_a_field_is_named(change, field):
    data = written(FIELDS[0])
    change(next(one for one in data['features'] if one['geometry']['type'] == 'LineString'))
    with pytest.raises(InvalidInput) as refusal:
        airfield_from_geojson(data, on=TODAY)
    assert refusal.value.field == field


def test_a_mark_needs_a_name_and_a_known_use():
    mark = GroundMark(name='boat sheds', latitude_deg=47.2, longitude_deg=-38.4, use='base')
    data = written(FIELDS[0], (mark,))
    data['features'][-1]['properties']['use'] = 'lunch'
    with pytest.raises(InvalidInput):
        marks_from_geojson(data)


HEADER = (
    'id,airport_ident,length_ft,width_ft,surface,closed,le_ident,le_latitude_deg,le_longitude_deg,le_elevation_ft,'
    'le_heading_degT,le_displaced_threshold_ft,he_ident,he_latitude_deg,he_longitude_deg,he_elevation_ft,'
    'he_heading_degT,he_displaced_threshold_ft'
)
GOOD = '1,LANT,2790,60,ASP,0,05,47.2,-38.4,38,38,,23,47.20603,-38.39307,38,218,210'


def test_a_runway_table_becomes_fields():
    table = read_runway_table(f'{HEADER}\n{GOOD}\n2,LANT,1970,100,TURF,0,14,47.206,-38.402,36,,,32,47.2026,-38.3957,,,')
    assert len(table.by_field['LANT']) == 2
    data = {'type': 'FeatureCollection', 'features': table.by_field['LANT']}
    ends = {end.ident: end for end in airfield_from_geojson(data, on=TODAY).ends}
    inverse = Geodesic.WGS84.Inverse(47.2, -38.4, 47.20603, -38.39307)  # [pub: Karney 2013, geographiclib]
    assert ends['05'].length_ft == pytest.approx(inverse['s12'] / 0.3048, abs=1)
    assert ends['05'].course_deg_true == pytest.approx(inverse['azi1'], abs=0.02)
    assert ends['23'].displaced_threshold_ft == 210
    assert ends['14'].surface == 'grass'
    assert ends['32'].elevation_ft == 36  # as the other end has it
    assert ends['14'].slope_pct == 0
    assert any('elevation of one end' in one for one in table.asked['LANT'])
    assert len(table.asked['LANT']) == 1


@pytest.mark.parametrize(
    ('line', 'words'),
    [
        (GOOD.replace('ASP,0', 'ASP,1'), 'Closed'),
        (GOOD.replace('47.2,', ','), 'le_latitude_deg'),
        (GOOD.replace('ASP', 'WATER'), 'Surface'),
        (GOOD.replace('ASP,0', 'ASP,yes'), 'Closed'),
        (GOOD.replace('ASP,0', 'ASP,temporarily'), 'Closed'),
        (GOOD.replace('2790', '1970'), 'Length cannot be “1,970”'),
        (GOOD.replace(',38,218,210', ',38,38,210'), 'he_heading_degT'),
        (GOOD.replace(',05,', ',23,').replace(',23,47.206', ',05,47.206'), 'magnetic course'),
        (GOOD.replace('47.2,', 'nan,'), 'le_latitude_deg'),
        (GOOD.replace('47.2,', '147.2,'), 'le_latitude_deg'),
        (GOOD, 'each runway once'),
        (GOOD.replace(',38,38,', ',,38,').replace(',38,218', ',,218'), 'elevation'),
        (GOOD.replace(',05,', ',,'), 'le_ident'),
    ],
)
def test_a_line_that_cannot_be_used_is_left_out_and_named(line, words):
    table = read_runway_table(f'{HEADER}\n{GOOD}\n{line}')
    assert len(table.by_field['LANT']) == 1
    assert table.left_out[0].startswith('Line 3')
    assert words in table.left_out[0]


@pytest.mark.parametrize(
    ('line', 'surface', 'words'),
    [
        (GOOD.replace('ASP', 'GRAVEL'), 'gravel', None),
        (GOOD.replace('ASP', 'GRVL-F'), 'gravel', None),
        (GOOD.replace('ASP', 'GRASS'), 'grass', None),
        (GOOD.replace('ASP', 'ASPH-G'), 'asphalt', None),
        (GOOD.replace('ASP', 'CONC'), 'concrete', None),
        (GOOD.replace('ASP', 'ASPH-TURF'), 'unknown', 'ASPH-TURF'),
        (GOOD.replace('ASP', 'GRADED EARTH'), 'unknown', 'GRADED EARTH'),
        (GOOD.replace('ASP', ''), 'unknown', 'surface is not given'),
        (GOOD.replace('2790', '2930'), 'asphalt', '2,930 ft long by the table'),
        (
            GOOD.replace(',05,', ',03,').replace(',23,47.206', ',21,47.206'),
            'asphalt',
            'does not fit its magnetic course',
        ),
        (GOOD.replace(',23,47.206', ',24,47.206'), 'asphalt', '24 is not the other end of 05'),
        (GOOD.replace(',38,38,', ',38,55,'), 'asphalt', 'heading 55° by the table'),
        (GOOD.replace(',38,218', ',258,218'), 'asphalt', 'slope of'),
        (GOOD.replace('2790,60', '2790,'), 'asphalt', 'width is not given'),
    ],
)
def test_what_a_table_leaves_open_or_contradicts_is_asked(line, surface, words):
    table = read_runway_table(f'{HEADER}\n{line}', on=TODAY)
    assert table.by_field['LANT'][0]['properties']['surface'] == surface
    asked = table.asked.get('LANT', ())
    assert bool(asked) == (words is not None)
    assert words is None or any(words in one for one in asked)
    if surface == 'unknown':
        data = {'type': 'FeatureCollection', 'features': table.by_field['LANT']}
        end = airfield_from_geojson(data, on=TODAY).ends[0]
        request = make_request(runway=dataclasses.asdict(end))
        assert make_brief(request).ground.ground_roll is None
        assert takeoff_of(request, Plan(), landing_setup(request)).over_50_margin_ft is None


def test_one_end_without_its_elevation_makes_no_slope():
    data = written(FIELDS[0])
    for line in data['features'][1:]:
        if line['geometry']['type'] == 'LineString':
            del line['properties']['ends'][1]['elevation_ft']
    field = airfield_from_geojson(data, on=TODAY)
    assert {end.slope_pct for end in field.ends} == {0.0}


def test_a_table_without_the_columns_says_which_are_missing():
    with pytest.raises(InvalidInput, match='he_latitude_deg'):
        read_runway_table('a,b\n1,2')


# the simulated weather station


@pytest.mark.parametrize('scenario', SCENARIOS)
def test_every_report_of_every_scenario_is_a_metar(scenario):
    begun = datetime(2026, 11, 25, 12, tzinfo=UTC)
    for minute in range(0, 90, 3):
        now = begun + timedelta(minutes=minute)
        text = report(scenario, 'lant', begun=begun, now=now)
        read = read_metar(text, now=now, station='LANT')
        assert read.warnings == ()
        assert read.missing == ()
        assert 0 <= read.wind_kt < 60
        assert text == report(scenario, 'lant', begun=begun, now=now)  # the same minute, the same report


def winds(scenario):
    begun = datetime(2026, 11, 25, 12, tzinfo=UTC)
    times = [begun + timedelta(minutes=m) for m in range(0, 80, 2)]
    return [read_metar(report(scenario, 'LANT', begun=begun, now=at), now=at, station='LANT') for at in times]


def test_the_scenarios_go_as_they_say():
    steady = winds('steady-crosswind')
    assert all(100 <= one.wind_dir_deg_true <= 140 and 7 <= one.wind_kt <= 13 for one in steady)
    front = winds('gusty-front')
    assert front[0].gust_kt is None
    assert front[-1].gust_kt >= front[-1].wind_kt + 5
    assert front[-1].wind_dir_deg_true - front[0].wind_dir_deg_true > 60
    evening = winds('dying-evening')
    assert evening[0].wind_kt > 10
    assert evening[-1].wind_kt <= 2
    breeze = winds('sea-breeze')
    assert breeze[0].wind_dir_deg_true > 180 > breeze[-1].wind_dir_deg_true
    assert any(one.wind_dir_deg_true is None and one.wind_kt > 0 for one in breeze)


def test_the_station_answers_over_http():
    server = station('steady-crosswind', port=0)
    threading.Thread(target=server.serve_forever, daemon=True).start()
    address = f'http://127.0.0.1:{server.server_address[1]}'
    try:
        with urllib.request.urlopen(f'{address}/metar/lant') as answer:
            assert answer.read().startswith(b'LANT ')
        with pytest.raises(urllib.error.HTTPError) as refusal:
            urllib.request.urlopen(f'{address}/metar/../etc')
        assert refusal.value.code == 404
        refusal.value.close()
    finally:
        server.shutdown()
        server.server_close()


@pytest.mark.parametrize('width', [True, '60', math.inf, math.nan])
def test_a_width_that_is_no_number_is_refused(width):
    data = written(FIELDS[0])
    next(one for one in data['features'] if one['geometry']['type'] == 'LineString')['properties']['width_ft'] = width
    with pytest.raises(InvalidInput) as refusal:
        airfield_from_geojson(data, on=TODAY)
    assert refusal.value.field == 'width_ft'


@pytest.mark.parametrize(('number', 'is_read'), [(20, True), (21, False)])
def test_a_runway_has_up_to_twenty_exits(number, is_read):
    data = written(FIELDS[0])
    end = next(one for one in data['features'] if one['geometry']['type'] == 'LineString')['properties']['ends'][0]
    end['exits'] = [{'name': f'exit {n}', 'at_ft': 100.0 + 120 * n} for n in range(number)]
    if is_read:
        assert len(airfield_from_geojson(data, on=TODAY).ends[0].exits) == number
    else:
        with pytest.raises(InvalidInput):
            airfield_from_geojson(data, on=TODAY)


def test_a_distance_may_stay_the_same_from_cell_to_cell_and_never_shrinks():
    table = 'ft,0,20\n0,{},{}\n4000,{},{}'
    assert read_landing_table(table.format(500, 500, 500, 540)).ground_roll_ft == ((500, 500), (500, 540))
    for cells in ((500, 499, 600, 700), (500, 520, 499, 700), (500, 520, 540, 519)):
        with pytest.raises(InvalidInput, match='before it'):
            read_landing_table(table.format(*cells))


def test_a_booked_flight_stands_at_its_hour_and_one_without_on_its_whole_day():
    # [pub: RFC 5545, 3.6.1] the end of a whole day is the day after, and is not part of it
    entry = CalendarEntry(
        uid='1',
        title='Ines',
        place='LANT',
        words='',
        day=date(2026, 3, 29),
        at=time(23, 30),
        booked_min=75.0,
        is_cancelled=False,
        changed_at=datetime(2026, 3, 1, tzinfo=UTC),
    )
    timed, whole = (calendar_text([one], name='Week') for one in (entry, dataclasses.replace(entry, at=None)))
    assert 'DTSTART:20260329T233000Z' in timed
    assert 'DTEND:20260330T004500Z' in timed
    assert 'DTSTART;VALUE=DATE:20260329' in whole
    assert 'DTEND;VALUE=DATE:20260330' in whole
