"""The school's own things on the screen: aircraft, fields, standards, techniques, lap plan and kneeboard."""

import json
import threading

import pytest
from playwright.sync_api import Page, expect

from bullseye.sim.weather import station
from tests.browser.conftest import Server, open_today, signed_in


def to(page: Page, place: str) -> None:
    page.get_by_role('button', name='School', exact=True).click()
    page.get_by_role('menuitem', name=place).click()
    expect(page.get_by_role('menu')).to_have_count(0)
    page.get_by_role('heading', name=place).wait_for()


def test_an_aircraft_is_entered_with_a_pasted_table_and_taken_back(marta: Page, quiet: list[str]):
    page = marta
    to(page, 'Hangar')
    page.get_by_role('button', name='Copy', exact=True).click()
    page.get_by_label('Name', exact=True).fill('Dunlin 115')
    area = page.get_by_label('Temperatures [°C] stand along the first row')
    area.fill('\t0\t30\n0\t500\t5x0')
    page.get_by_role('button', name='Read the table').first.click()
    expect(page.get_by_role('alert').filter(has_text='5x0')).to_contain_text('row 2, column 3')
    expect(area).to_have_value('\t0\t30\n0\t500\t5x0')  # nothing typed is lost
    area.fill('\t0\t30\n0\t500\t560\n4000\t600\t670')
    page.get_by_role('button', name='Read the table').first.click()
    expect(page.get_by_role('img', name='Ground roll by temperature, 2 pressure altitudes')).to_be_visible()
    page.get_by_label('Empty weight', exact=True).fill('5000')
    page.get_by_label('Empty weight', exact=True).blur()
    page.get_by_role('button', name='Keep', exact=True).click()
    expect(page.get_by_role('alert').filter(has_text='empty_weight_lb').first).to_be_visible()
    page.get_by_label('Empty weight', exact=True).fill('1100')
    page.get_by_label('Empty weight', exact=True).blur()
    page.get_by_role('button', name='Keep', exact=True).click()
    expect(page.get_by_role('status').filter(has_text='Dunlin 115 is kept')).to_be_visible()
    expect(page.get_by_role('status').filter(has_text='below the maximum')).to_contain_text('1,580 lb')
    page.get_by_role('button', name='Undo').click()
    expect(page.get_by_role('button', name='Dunlin 115')).to_have_count(0)
    assert all('422' in text for text in quiet)
    quiet.clear()


def test_a_standard_and_a_technique_are_copied_and_changed(marta: Page):
    page = marta
    to(page, 'Standards')
    expect(page.get_by_role('button', name='Keep', exact=True)).to_have_count(0)  # built in
    page.get_by_role('button', name='Copy', exact=True).click()
    page.get_by_role('region', name='Normal and crosswind').get_by_label('to', exact=True).fill('300')
    page.get_by_role('region', name='Normal and crosswind').get_by_label('to', exact=True).blur()
    page.get_by_role('button', name='Keep', exact=True).click()
    expect(page.get_by_role('status')).to_contain_text('is kept')
    to(page, 'Techniques')
    page.get_by_role('button', name='Copy', exact=True).click()
    page.get_by_label('Name', exact=True).fill('Marta')
    page.get_by_role('radio', name='Flap up').check()
    expect(page.get_by_label('Cautions')).to_contain_text('Sorrel 200R has a retractable gear')
    page.get_by_role('button', name='Keep', exact=True).click()
    expect(page.get_by_role('status')).to_contain_text('Marta is kept')
    page.get_by_role('button', name='Make it mine').click()
    expect(page.get_by_role('button', name='Marta · mine')).to_be_visible()


def test_a_field_goes_out_as_a_file_and_comes_in_from_two_kinds(marta: Page, quiet: list[str], tmp_path):
    page = marta
    to(page, 'Fields')
    page.get_by_role('img', name='Lantern Bay from above').wait_for()
    with page.expect_download() as download:
        page.get_by_role('button', name='Save as GeoJSON').click()
    file = tmp_path / 'field.geojson'
    download.value.save_as(file)
    data = json.loads(file.read_text())
    assert [one['properties']['kind'] for one in data['features']].count('runway') == 2
    data['features'][0]['properties']['name'] = 'Sandling'
    file.write_text(json.dumps(data))
    chooser = page.locator('input[type=file]')
    chooser.set_input_files(file)
    page.get_by_role('heading', name='Sandling').wait_for()
    page.get_by_role('button', name='Keep', exact=True).click()
    expect(page.get_by_role('status')).to_contain_text('Sandling is kept')
    table = tmp_path / 'runways.csv'
    table.write_text(
        'airport_ident,width_ft,surface,le_ident,le_latitude_deg,le_longitude_deg,le_elevation_ft,'
        'he_ident,he_latitude_deg,he_longitude_deg,he_elevation_ft\n'
        'DUNE,50,GRASS,09,46.0,-38.0,10,27,46.001,-37.99,12\nBROK,50,GRASS,09,46.0,,10,27,46.001,-37.99,12\n'
    )
    chooser.set_input_files(table)
    expect(page.get_by_text('1 lines were left out')).to_be_visible()
    page.get_by_role('button', name='DUNE').click()
    page.get_by_role('img', name='DUNE from above').wait_for()
    page.get_by_label('09: latitude').fill('95')
    page.get_by_role('button', name='Keep', exact=True).click()
    expect(page.get_by_role('alert')).to_contain_text('95')
    page.get_by_label('09: latitude').fill('46.0')
    page.get_by_role('button', name='Keep', exact=True).click()
    expect(page.get_by_role('status')).to_contain_text('DUNE is kept')
    assert [text for text in quiet if '422' not in text] == []
    quiet.clear()


def test_the_lap_plan_is_reordered_edited_and_printed(marta: Page):
    page = marta
    open_today(page, 'Owen Fairbairn')
    page.get_by_role('link', name='Lap plan').click()
    rows = page.get_by_role('list', name='Laps in order').get_by_role('listitem')
    expect(rows).to_have_count(8)
    first = page.get_by_label('Lap 1: kind').input_value()
    page.get_by_role('button', name='Move lap 1 down').click()
    expect(page.get_by_label('Lap 2: kind')).to_have_value(first)
    page.get_by_label('Lap 1: kind').select_option('low_approach')
    expect(page.get_by_label('Lap 1: spot', exact=True)).to_have_count(0)
    page.get_by_label('Lap 1: one thing to watch').fill('centreline, two feet up')
    page.get_by_label('Lap 1: one thing to watch').blur()
    page.get_by_role('button', name='Remove lap 7').click()
    page.get_by_role('button', name='Keep', exact=True).click()
    expect(page.get_by_text('7 laps as ordered by the instructor')).to_be_visible()
    page.reload()
    expect(page.get_by_label('Lap 1: one thing to watch')).to_have_value('centreline, two feet up')
    page.get_by_role('link', name='Show and print').click()
    card = page.get_by_role('article', name='Kneeboard card')
    expect(card).to_contain_text('centreline, two feet up')
    expect(card).to_contain_text('Owen Fairbairn, Marram 160, Lantern Bay 05')
    page.emulate_media(media='print')
    expect(page.get_by_role('button', name='Print')).to_be_hidden()
    expect(card).to_be_visible()
    page.emulate_media(media='screen')
    page.get_by_role('link', name='Back to the lap plan').click()
    page.get_by_role('button', name='Make a new plan').click()
    expect(rows).to_have_count(8)


def test_the_card_of_the_landing_follows_its_kind(marta: Page):
    page = marta
    open_today(page, 'Ines Carvalho')
    expect(page.get_by_role('heading', name='Normal landing', exact=True)).to_be_visible()
    page.get_by_role('link', name='Prepare').click()
    page.get_by_role('radio', name='Forward slip').click()
    page.get_by_role('button', name='Save').click()
    expect(page.get_by_role('heading', name='Forward slip', exact=True)).to_be_visible()
    expect(page.get_by_text('flap up, path 9.2°')).to_be_visible()
    expect(page.get_by_text('Slipping where the handbook forbids it with this flap.')).to_be_visible()


def test_number_two_and_flows_on_the_pattern(looking: Page):
    page = looking
    open_today(page, 'Ines Carvalho')
    page.get_by_role('link', name='Pattern').click()
    page.get_by_role('img', name='pattern for runway 05').wait_for()
    expect(page.locator('[data-mark=ground-mark]')).to_have_count(2)
    page.get_by_role('spinbutton', name='Number two').fill('2.5')
    page.get_by_role('spinbutton', name='Number two').blur()
    two = page.get_by_role('region', name='Number two')
    expect(two).to_contain_text('turn when the one ahead has passed abeam')
    expect(two).to_contain_text('gap at the threshold')
    page.get_by_text('Radio calls').click()
    expect(page.get_by_text('extending left downwind runway zero five, number two')).to_be_visible()
    item = page.get_by_role('button', name='full power', exact=True)
    item.click()
    expect(item).to_have_attribute('aria-pressed', 'true')
    page.get_by_role('button', name='Clear ticks').click()
    expect(item).to_have_attribute('aria-pressed', 'false')


@pytest.fixture
def weather_server(serve, demo_url, monkeypatch):
    made = station('steady-crosswind', port=0)
    threading.Thread(target=made.serve_forever, daemon=True).start()
    monkeypatch.setenv('BULLSEYE_WEATHER_URL', f'http://127.0.0.1:{made.server_address[1]}')
    yield serve(demo_url)
    made.shutdown()
    made.server_close()


def test_the_station_fills_the_wind_and_the_sock_wins(page: Page, weather_server: Server, quiet: list[str]):
    signed_in(page, weather_server)
    page.get_by_role('link', name='New sortie').click()
    expect(page.get_by_text('from the station, asked every minute')).to_be_visible()
    wind = page.get_by_label('Wind', exact=True)
    expect(wind).not_to_have_value('')
    reported = wind.input_value()
    wind.fill('17')
    wind.blur()
    sock = page.get_by_role('status').filter(has_text='The sock wins')
    expect(sock).to_contain_text('17 kt')
    expect(sock).to_contain_text(f'{reported} kt')
    page.get_by_role('button', name='Make the sortie').click()
    page.get_by_role('heading', name='What moves').wait_for()
    page.get_by_role('link', name='Prepare').click()
    expect(page.get_by_label('Wind', exact=True)).to_have_value('17')
    page.get_by_role('button', name="Take the station's").click()
    expect(page.get_by_role('status').filter(has_text='The sock wins')).to_be_visible()
    page.get_by_role('button', name='Back to the report').click()
    expect(page.get_by_label('Wind', exact=True)).not_to_have_value('17')
