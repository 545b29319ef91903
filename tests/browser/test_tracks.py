"""From a file dropped on the page to a scored landing, as an instructor does it after the flight."""

import base64
import re
import subprocess
import sys
import uuid
from collections.abc import Iterator
from datetime import UTC, datetime, timedelta
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from bullseye.sim.writers import write
from bullseye.store.database import open_engine
from tests.browser.conftest import Server, open_today
from tests.tracks.making import flown, recorded, truths

BEGUN = datetime.now(UTC).replace(hour=12, minute=0, second=0, microsecond=0)
DROP = """([name, text]) => {
    const bytes = Uint8Array.from(atob(text), (c) => c.charCodeAt(0))
    const data = new DataTransfer()
    data.items.add(new File([bytes], name))
    return data
}"""


@pytest.fixture
def worker(server: Server) -> Iterator[subprocess.Popen[bytes]]:
    """The background worker as ./bullseye up starts it."""
    running = subprocess.Popen([sys.executable, '-m', 'bullseye.cli', 'work'], env=server.environment)
    yield running
    running.terminate()
    running.wait(timeout=90)  # it ends its work first


def gpx(scenario: str = 'pattern', **options) -> tuple[list[dict], bytes]:
    flight = flown(scenario, 3, 'lant', '05')
    raw = write(recorded(flight, gnss=False, start=BEGUN, **options), 'gpx').encode()
    return truths(flight, 'touchdown'), raw


def drop(page: Page, name: str, raw: bytes) -> None:
    data = page.evaluate_handle(DROP, [name, base64.b64encode(raw).decode()])
    page.get_by_label('Drop files here').dispatch_event('drop', {'dataTransfer': data})


def touched(page: Page) -> str:
    return page.get_by_label('Where it touched').inner_text()


def test_from_a_dropped_file_to_an_overruled_and_scored_landing(marta: Page, server: Server, worker, quiet):
    page = marta
    landings, raw = gpx(rate_hz=10)
    open_today(page, 'Ines Carvalho')
    sortie = page.url.split('/sorties/')[1].split('/')[0]
    said = {
        'outcome': 'touch_and_go',
        'along_ft': round(landings[0]['along_ft'] + 60, -1),
        'flown_at': (BEGUN + timedelta(seconds=landings[0]['time_s'] + 6)).isoformat(),
        'known_by': {'along_ft': 'tapped'},
    }
    path = f'/api/sorties/{sortie}/laps/sent'
    change = {'lap_id': str(uuid.uuid4()), 'lap': said, 'writer': {'device': str(uuid.uuid4()), 'number': 1}}
    token = page.evaluate("fetch('/api/session').then((reply) => reply.json())")['csrf_token']
    assert page.request.post(server.url + path, data={'changes': [change]}, headers={'X-CSRFToken': token}).ok

    page.get_by_role('button', name='School', exact=True).click()
    page.get_by_role('menuitem', name='Tracks').click()
    drop(page, 'today.gpx', raw)
    drop(page, 'notes.txt', b'nothing that flies')
    expect(page.get_by_label('Being sent')).to_contain_text('Not taken: the file is no GPX')
    quiet.clear()  # the browser logs the refusal
    line = page.get_by_role('list', name='Flights').get_by_role('listitem').filter(has_text='today.gpx')
    expect(line).to_contain_text(re.compile('waiting|parsing|cleaning|smoothing|looking for laps|5 laps'))
    expect(line).to_contain_text('5 laps')
    line.get_by_role('link').click()

    # proposed: the noted lap is the first recorded one, the others nobody noted
    match = page.get_by_label('Which sortie was it?')
    expect(match.get_by_role('radio').first).to_be_checked()
    expect(match).to_contain_text('1 lap noted while it ran')
    expect(match).to_contain_text('1 noted lap measured, 4 made new')
    match.get_by_label('Recorded lap 4 is').select_option('left out')
    match.get_by_role('button', name='Take these laps').click()
    expect(match).to_be_hidden()

    # measured beside tapped: at 10 Hz the track knows better
    expect(page.get_by_label('Where it touched')).to_contain_text(re.compile('Measured ✓ scores'))
    measured = float(re.search(r'(\d+) ft ± \d+\s*Measured', touched(page))[1])
    assert abs(measured - landings[0]['along_ft']) < 40
    expect(page.locator('[data-mark=planned]')).to_have_count(2)
    _dragged_and_taken_back(page, measured)

    with page.expect_download() as taken:
        page.get_by_role('link', name='Events, CSV').click()
    assert taken.value.suggested_filename == 'today.events.csv'
    page.get_by_role('link', name='Debrief').click()
    expect(page.get_by_role('row').filter(has_text=re.compile('Touch-and-go|Full stop'))).to_have_count(4)
    expect(page.get_by_label('Recorded flight')).to_contain_text('Replay')
    _laps_go_and_come_back(page)


def _dragged_and_taken_back(page: Page, measured: float) -> None:
    """Overrule where it touched by dragging the diamond below the final."""
    page.get_by_role('button', name='Touchdown, larger').click()
    mark = page.get_by_role('slider', name='Touchdown').locator('path').bounding_box()
    page.mouse.move(mark['x'] + mark['width'] / 2, mark['y'] + mark['height'] / 2)
    page.mouse.down()
    page.mouse.move(mark['x'] + mark['width'] / 2 + 70, mark['y'] + mark['height'] / 2, steps=6)
    page.mouse.up()
    expect(page.get_by_label('Where it touched')).to_contain_text('Corrected by hand ✓ scores')
    corrected = float(re.search(r'(\d[\d,]*) ft\s*Corrected', touched(page))[1].replace(',', ''))
    assert 120 < corrected - measured < 320  # 70 px of some 700 that show 3,000 ft
    expect(page.get_by_label('Score').get_by_role('row', name='Touchdown from the spot')).to_contain_text('ft')
    page.get_by_role('button', name='Undo').click()
    expect(page.get_by_label('Where it touched')).not_to_contain_text('Corrected')
    page.get_by_role('slider', name='Touchdown').press('ArrowRight')
    expect(page.get_by_label('Where it touched')).to_contain_text('Corrected by hand ✓ scores')


def _laps_go_and_come_back(page: Page) -> None:
    page.get_by_label('Recorded flight').get_by_role('link', name='Replay').click()
    page.get_by_role('button', name='Take its laps back').click()
    expect(page.get_by_label('Which sortie was it?')).to_be_visible()
    page.get_by_role('button', name='Undo: taking the laps back').click()
    expect(page.get_by_role('button', name='Take its laps back')).to_be_visible()


def test_one_cursor_runs_through_all_drawings_of_a_replay(looking: Page):
    page = looking
    page.get_by_role('button', name='School', exact=True).click()
    page.get_by_role('menuitem', name='Tracks').click()
    page.get_by_role('list', name='Flights').get_by_role('link').first.click()
    out = page.get_by_label('Seconds from the end of the lap')
    page.get_by_role('button', name='Abeam').click()
    expect(out).to_contain_text('−')
    expect(page.locator('[data-view=above] [data-mark=cursor]')).to_have_count(1)
    before = out.inner_text()
    page.keyboard.press('ArrowRight')
    expect(out).not_to_have_text(before)
    page.keyboard.press(' ')
    page.wait_for_function(  # it goes on by itself, towards the touchdown
        """(before) => {
            const out = document.querySelector('[aria-label="Seconds from the end of the lap"]')
            return parseFloat(out.textContent.trim().slice(1)) < before - 1.2
        }""",
        arg=float(before[1:-2]),
    )
    page.keyboard.press(' ')
    page.keyboard.press(']')
    expect(page.get_by_role('button', name='Lap 2', exact=True)).to_have_attribute('aria-pressed', 'true')
    page.get_by_label('Lay lap 3 over it').click()
    expect(page.locator('[data-view=above] [data-mark=flown]')).to_have_count(2)
    page.get_by_role('radio', name='Side by side').click()
    expect(page.locator('[data-view=above]')).to_have_count(2)
    page.keyboard.press('[')
    expect(page.get_by_role('button', name='Lap 1', exact=True)).to_have_attribute('aria-pressed', 'true')
    page.get_by_label('Groundspeed, kt by time').click(position={'x': 200, 'y': 60})
    expect(out).to_have_text(re.compile(r'−([6-9]|\d\d)\d\.\d s'))  # a tap on the drawing goes there


SLOW_MS = 60_000  # two flights are worked out one after the other, on a machine that may have other work


def test_several_files_at_once_and_one_without_headings(marta: Page, worker, quiet):
    page = marta
    flight = flown('full-stop', 3, 'lant', '05')
    rows = write(recorded(flight, gnss=False, start=BEGUN, rate_hz=1), 'csv').splitlines()
    names = rows[0].split(',')
    bare = '\n'.join([','.join(f'c{k}' for k in range(len(names))), *rows[1:]]).encode()
    page.get_by_role('button', name='School', exact=True).click()
    page.get_by_role('menuitem', name='Tracks').click()
    files = [
        {'name': 'one.gpx', 'mimeType': 'text/xml', 'buffer': gpx('full-stop', rate_hz=1)[1]},
        {'name': 'bare.csv', 'mimeType': 'text/csv', 'buffer': bare},
    ]
    page.get_by_label('Choose files').set_input_files(files)
    flights = page.get_by_role('list', name='Flights')
    expect(flights.get_by_role('listitem').filter(has_text='one.gpx')).to_contain_text('1 lap', timeout=SLOW_MS)
    line = flights.get_by_role('listitem').filter(has_text='bare.csv')
    expect(line).to_contain_text('1 lap', timeout=SLOW_MS)  # time and places are told by their figures
    line.get_by_role('link').click()
    expect(page.get_by_role('list', name='Notes')).to_contain_text('by their figures')
    page.get_by_role('button', name='Columns').click()
    columns = page.get_by_label('Columns of the file')
    columns.get_by_label('Column 1 is', exact=True).select_option('not used')
    expect(columns.get_by_role('button', name='Read it so')).to_be_disabled()
    for part, label in (('time', 'Time'), ('lat', 'Latitude'), ('lon', 'Longitude'), ('alt', 'Height')):
        index = next(k for k, name in enumerate(names) if part in name.lower())
        columns.get_by_label(f'Column {index + 1} is', exact=True).select_option(label)
        if label == 'Height':
            unit = 'ft' if 'ft' in names[index] else 'm'
            columns.get_by_label(f'Unit of column {index + 1}').select_option(unit)
    columns.get_by_role('button', name='Read it so').click()
    expect(page.get_by_label('Replay')).to_be_visible(timeout=SLOW_MS)
    expect(page.get_by_label('Measured on lap 1')).to_contain_text('Touched')
    page.get_by_role('link', name='Recorded flights').click()
    page.get_by_role('heading', name='Recorded flights').wait_for()
    expect(line).to_contain_text('1 lap', timeout=SLOW_MS)  # read anew, and the list knows it
    with page.expect_response(lambda reply: reply.request.method == 'DELETE'):
        flights.get_by_role('button', name='Remove bare.csv').click()
    expect(line).to_be_hidden()
    page.get_by_role('button', name='Undo').click()
    expect(line).to_contain_text('1 lap', timeout=SLOW_MS)


RECEIVER = """(fixes) => { navigator.geolocation.watchPosition = (take) => { let i = 0
    const step = () => { for (let n = 0; n < 50 && i < fixes.length; n++, i++) {
        const [timestamp, latitude, longitude, altitude, speed, heading] = fixes[i]
        take({ timestamp, coords: { latitude, longitude, accuracy: 3, altitude, speed, heading } }) }
      if (i < fixes.length) setTimeout(step, 5) }
    step(); return 1 }; navigator.geolocation.clearWatch = () => undefined }"""


def test_the_tablets_own_positions_of_a_flight_become_a_measured_lap(marta: Page, worker, quiet):
    """A simulated flight is fed to the browser's geolocation, recorded, sent, and measured from the debrief."""
    page = marta
    flight = flown('full-stop', 3, 'lant', '05')
    track = recorded(flight, gnss=False, start=BEGUN, rate_hz=1)
    told = zip(
        track.time_s, track.lat_deg, track.lon_deg, track.height_ft, track.speed_kt, track.course_deg, strict=True
    )
    fixes = [
        [BEGUN.timestamp() * 1_000 + s * 1_000, lat, lon, feet * 0.3048, kt * 0.514444, course]
        for s, lat, lon, feet, kt, course in told
    ]
    open_today(page, 'Ines Carvalho')
    page.evaluate(RECEIVER, fixes)
    page.get_by_role('link', name='Laps').click()
    page.get_by_role('switch', name='Record position').click()
    expect(page.get_by_text(re.compile(rf'^{len(fixes)} positions'))).to_be_visible()
    page.get_by_role('switch', name='Recording position: stop').click()
    page.get_by_role('link', name='Debrief').click()
    page.get_by_role('button', name='Measure from the tablet').click()
    page.get_by_role('button', name='Take these laps').click(timeout=30_000)
    (truth,) = truths(flight, 'touchdown')
    measured = re.search(r'([\d,]+) ft ± (\d+)\s*Measured', touched(page))
    assert abs(float(measured[1].replace(',', '')) - truth['along_ft']) < float(measured[2])
    assert float(measured[2]) < 120  # with the height and speed that the receiver tells


def test_a_file_whose_analysis_failed_is_tried_again_with_one_button(marta: Page, server: Server, worker, quiet):
    """The fault is made in the database: no file of a user's is known to make one."""
    page = marta
    flight = flown('full-stop', 3, 'lant', '05')
    raw = write(recorded(flight, gnss=False, start=BEGUN, rate_hz=1), 'csv').encode()
    page.get_by_role('button', name='School', exact=True).click()
    page.get_by_role('menuitem', name='Tracks').click()
    page.get_by_label('Choose files').set_input_files([{'name': 'odd.csv', 'mimeType': 'text/csv', 'buffer': raw}])
    line = page.get_by_role('list', name='Flights').get_by_role('listitem').filter(has_text='odd.csv')
    expect(line).to_contain_text('1 lap')
    engine = open_engine(server.database_url)
    with engine.begin() as db:
        db.exec_driver_sql(
            "update track_file set state = 'refused', problem = 'the analysis failed; the file is kept, and may be tried "
            "again', laps = null, report = null where name = 'odd.csv'"
        )
    engine.dispose()
    page.reload()
    expect(line).to_contain_text('the analysis failed')
    again = line.get_by_role('button', name='Try again')
    again.click()
    expect(line).to_contain_text('1 lap')
    expect(again).to_be_hidden()
    line.get_by_role('link').click()
    expect(page.get_by_label('Measured on lap 1')).to_contain_text('Touched')


def test_what_was_found_can_be_taken_out_in_open_formats(looking: Page):
    page = looking
    page.get_by_role('button', name='School', exact=True).click()
    page.get_by_role('menuitem', name='Tracks').click()
    page.get_by_role('list', name='Flights').get_by_role('link').first.click()
    expect(page.get_by_label('Replay')).to_be_visible()
    begins = {'Cleaned track, GPX': b'<?xml', 'Events, CSV': b'kind,time,', 'Events, GeoJSON': b'{'}
    for name, start in begins.items():
        with page.expect_download() as loading:
            page.get_by_role('link', name=name).click()
        assert Path(loading.value.path()).read_bytes().lstrip().startswith(start), name
