"""The cockpit: no network, or a server that dies; what was tapped and what is stored must be equal every time."""

import json
import os
import re
import shutil
import signal
import subprocess
import tempfile
import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager, suppress
from datetime import UTC, datetime
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import BrowserContext, Page, expect
from sqlalchemy.exc import DBAPIError

from bullseye.jobs import plain_url
from bullseye.launch.postgres import Cluster
from bullseye.store.database import open_engine
from tests.browser.conftest import Server, open_today, signed_in
from tests.browser.test_lesson import aim, before_spot, learned, tap


def device(page: Page) -> Any:
    """The line about this device."""
    return page.get_by_role('status', name='This device')


def recorder(page: Page, student: str = 'Ines Carvalho', *, under: str = 'Today') -> int:
    """Take a sortie along and open its recorder; the sortie's number."""
    open_today(page, student, under=under)
    page.get_by_role('navigation', name='Lesson').get_by_role('button', name='Take along').click()
    expect(page.get_by_role('button', name=re.compile('✓ On this device'))).to_be_visible()
    page.get_by_role('link', name='Laps').click()
    page.get_by_role('application').wait_for()
    return int(page.url.split('/')[-2])


def stored(page: Page, sortie: int) -> list[dict[str, Any]]:
    """Laps that the server has."""
    reply = page.request.get(f'{page.url.split("/sorties")[0]}/api/sorties/{sortie}/laps')
    assert reply.ok
    return list(reply.json()['laps'])


@pytest.mark.browser_context_args(service_workers='allow')
def test_a_lesson_without_a_network_is_all_there_afterwards(marta: Page, context: BrowserContext, quiet: list[str]):
    page = marta
    sortie = recorder(page)
    page.evaluate('navigator.serviceWorker.ready')
    first_aim = before_spot(page)
    context.set_offline(True)
    page.get_by_role('button', name='Rotated early').click()  # seen before the lap ends: it waits in the draft
    for number, feet in enumerate((1_180, 1_220, 1_160), start=1):
        tap(page, feet, lateral=4)
        page.get_by_role('button', name='Touch-and-go', exact=True).click()
        page.get_by_role('button', name='Ballooned', exact=True).click()
        expect(page.get_by_text('✓ saved on this device')).to_be_visible()
        expect(page.get_by_label('Result')).to_contain_text('Calculated on this device')
        expect(page.get_by_label('Result')).to_contain_text('beyond the box')
        expect(device(page)).to_contain_text(f'{number} lap{"s are" if number > 1 else " is"} only on this device')
        page.get_by_role('button', name='Next lap').click()
    spot = page.get_by_label('Spot of this lap', exact=True)
    spot.fill('450')  # so near, what was learned leaves no good aim point
    spot.press('Enter')
    expect(page.get_by_text('✕ none')).to_be_visible()
    spot.fill('900')
    spot.press('Enter')
    assert learned(page, first_aim)  # the device knows that she is long
    tapped_aim = aim(page)

    page.reload()  # the tablet restarts in the air
    page.get_by_role('application').wait_for()
    expect(page.get_by_role('heading', name='Next: lap 4')).to_be_visible()
    assert aim(page) == tapped_aim
    page.keyboard.press('g')
    page.get_by_role('button', name='Undo').click()  # undo works without a network, and after a restart
    page.get_by_role('button', name='Undo').click()
    expect(page.get_by_role('heading', name='Lap 3')).to_be_visible()
    page.get_by_role('button', name='Ballooned', exact=True).click()
    page.get_by_role('link', name='Debrief').click()
    expect(page.get_by_role('heading', name='Debrief: Ines Carvalho')).to_be_visible()
    page.goto(page.url.split('/sorties')[0])
    expect(page.get_by_role('link', name='Ines Carvalho')).to_be_visible()  # what is aboard can be opened

    context.set_offline(False)
    expect(device(page)).to_be_hidden()
    page.goto(f'{page.url}sorties/{sortie}/laps')
    laps = stored(page, sortie)
    assert [round(lap['along_ft'], -1) for lap in laps] == pytest.approx([1_180, 1_220, 1_160], abs=10)
    assert [lap['ballooned'] for lap in laps] == [True, True, True]
    assert laps[0]['marks'] == ['rotated_early']
    assert laps[1]['marks'] == []
    page.get_by_role('button', name='Lap 2', exact=True).click()
    expect(page.get_by_label('Result')).to_contain_text('judged')  # the server's own result took its place
    quiet.clear()  # the browser itself complained of the lost connection


@pytest.fixture
def own_cluster(demo_template: str) -> Iterator[tuple[Cluster, str]]:
    """A PostgreSQL of its own that may be killed, as durable as in use, with the demo school."""
    folder = Path(tempfile.mkdtemp(prefix='bullseye-own-'))  # PostgreSQL runs as another user
    cluster = Cluster(folder)
    cluster.make()
    cluster.start()
    cluster.ensure_application()
    cluster.ensure_database('demo')
    url = cluster.url('demo')
    demo = subprocess.run([cluster.programs / 'pg_dump', plain_url(demo_template)], capture_output=True, check=True)
    told = [cluster.programs / 'psql', '-X', '-q', '-v', 'ON_ERROR_STOP=1', plain_url(url)]
    subprocess.run(told, input=demo.stdout, stdout=subprocess.DEVNULL, check=True)
    yield cluster, url
    cluster.stop()
    shutil.rmtree(folder, ignore_errors=True)


def _postmaster(cluster: Cluster) -> int:
    return int(next(Path(cluster.folder).rglob('postmaster.pid')).read_text().split()[0])


@contextmanager
def held(url: str, sortie: int) -> Iterator[None]:
    """Hold a sortie's row, so that a server that writes its laps waits in the middle, however quick it is."""
    engine = open_engine(url)
    with suppress(DBAPIError), engine.connect() as db:
        db.exec_driver_sql('select 1 from sortie where id = %s for update', (sortie,))
        yield
    engine.dispose()


def until_it_waits(url: str) -> None:
    """Wait until the server has come to the row that is held."""
    engine = open_engine(url)
    with engine.connect() as db:
        for _ in range(200):
            if db.exec_driver_sql('select count(*) from pg_locks where not granted').scalar():
                break
            time.sleep(0.02)
        else:
            raise AssertionError('the server never came to the row')
    engine.dispose()


@pytest.mark.browser_context_args(service_workers='allow')
def test_killed_server_and_database_in_the_middle_of_a_sync_lose_nothing(
    page: Page,
    context: BrowserContext,
    own_cluster: tuple[Cluster, str],
    serve: Callable[[str], Server],
):
    cluster, url = own_cluster
    server = serve(cluster.application_url('demo'))
    signed_in(page, server)
    sortie = recorder(page)
    page.evaluate('navigator.serviceWorker.ready')
    context.set_offline(True)
    for _ in range(50):
        page.keyboard.press('g')
        page.keyboard.press('n')
    expect(device(page)).to_contain_text('50 laps are only on this device')

    with held(url, sortie):
        with page.expect_request('**/laps/sent'):
            context.set_offline(False)
            page.get_by_role('button', name='Send now').click()
        until_it_waits(url)
        server.kill()
        expect(device(page)).to_contain_text('50 laps are only on this device')
    with held(url, sortie):
        with page.expect_request('**/laps/sent'):
            server.start()
            page.evaluate("window.dispatchEvent(new Event('online'))")
        until_it_waits(url)
        os.kill(_postmaster(cluster), signal.SIGKILL)
    while cluster.is_running:
        time.sleep(0.2)
    cluster.start()
    expect(device(page)).to_be_hidden(timeout=90_000)
    assert len(stored(page, sortie)) == 50
    assert len({lap['id'] for lap in stored(page, sortie)}) == 50


def test_two_tabs_of_one_device_record_side_by_side(marta: Page, context: BrowserContext, quiet: list[str]):
    sortie = recorder(marta)
    other = context.new_page()
    other.goto(marta.url)
    other.get_by_role('application').wait_for()
    context.set_offline(True)
    for _ in range(3):
        for tab in (marta, other):
            tab.keyboard.press('g')
            tab.keyboard.press('n')
    expect(device(marta)).to_contain_text('6 laps are only on this device')
    expect(device(other)).to_contain_text('6 laps are only on this device')
    context.set_offline(False)
    expect(device(marta)).to_be_hidden()
    assert len(stored(marta, sortie)) == 6
    quiet.clear()


def test_a_sign_in_that_ends_keeps_the_laps_and_asks(marta: Page, context: BrowserContext, quiet: list[str]):
    page = marta
    sortie = recorder(page)
    context.clear_cookies()
    tap(page, 900)
    expect(device(page)).to_contain_text('Your sign-in has ended')
    expect(device(page)).to_contain_text('1 lap is only on this device')
    page.reload()  # and still flies on
    page.get_by_role('application').wait_for()
    tap(page, 950)
    expect(device(page)).to_contain_text('2 laps are only on this device')
    page.get_by_role('link', name='Sign in to send').click()
    page.get_by_role('button', name='Ines Carvalho').click()  # somebody else signs in: not hers to send
    expect(device(page)).to_contain_text('recorded by Marta Kowalczyk, who must sign in')
    page.get_by_role('button', name='Sign out').click()
    page.get_by_role('button', name='Marta Kowalczyk').click()
    # not before she is in: signing in leads a chief to the school, wherever somebody went meanwhile
    expect(page.get_by_role('banner')).to_contain_text('Marta Kowalczyk')
    page.get_by_role('link', name='Bullseye').click()
    page.get_by_role('heading', name='Sorties').wait_for()
    expect(device(page)).to_be_hidden()
    page.goto(f'{page.url}sorties/{sortie}/laps')
    assert len(stored(page, sortie)) == 2
    quiet.clear()


def test_what_the_server_refuses_stays_and_says_why(marta: Page, quiet: list[str]):
    page = marta
    sortie = recorder(page)
    tap(page, 900)
    expect(page.get_by_text(re.compile('✓ saved$'))).to_be_visible()
    page.get_by_label('Speed over threshold', exact=True).fill('400')
    page.get_by_label('Speed over threshold', exact=True).press('Tab')
    expect(page.get_by_label('Strip').get_by_role('alert')).to_contain_text('The server did not take it')
    expect(device(page)).to_contain_text('Refused')
    with page.expect_download() as download:
        page.get_by_role('button', name='Export as a file').click()
    waiting = json.loads(Path(download.value.path()).read_text())
    assert [lap['values']['threshold_speed_kias'] for lap in waiting['laps']] == [400]
    page.get_by_label('Speed over threshold', exact=True).fill('62')
    page.get_by_label('Speed over threshold', exact=True).press('Tab')
    expect(device(page)).to_be_hidden()
    assert [lap['threshold_speed_kias'] for lap in stored(page, sortie)] == [62]
    quiet.clear()


def test_taps_that_come_faster_than_the_device_stores_are_all_kept(marta: Page):
    page = marta
    sortie = recorder(page)
    more = page.get_by_label('Speed over threshold: more')
    tap(page, 900)
    more.click()
    eventually(page, sortie, threshold_speed_kias=60)
    page.evaluate(
        """() => { for (const name of ['Dropped in', 'Bounced', 'Nose first', 'Speed over threshold: more',
            'Speed over threshold: more', 'Prompted by instructor', 'Nose first', 'Nose first'])
            [...document.querySelectorAll('button')].find((one) => (one.ariaLabel ?? one.innerText) === name).click() }"""
    )
    for name in ('Dropped in', 'Prompted by instructor', 'Bounced'):
        expect(page.get_by_role('button', name=name, exact=True)).to_have_attribute('aria-pressed', 'true')
    eventually(page, sortie, marks=['dropped_in', 'prompted'], bounced=True, threshold_speed_kias=62)


def test_what_is_being_typed_stays_while_answers_redraw_the_screen(marta: Page):
    page = marta
    sortie = recorder(page)
    tap(page, 900)
    page.get_by_role('button', name='More: who flew').click()
    seen: dict[str, Any] = {}
    for label, text, chip, stored_as in (
        ('Note', 'late on the power', 'Bounced', {'bounced': True}),
        ('Speed over threshold', '64', 'Ballooned', {'ballooned': True}),
    ):
        field = page.get_by_label(label, exact=True)
        field.press_sequentially(text)
        seen |= stored_as
        page.get_by_role('button', name=chip, exact=True).dispatch_event('click')  # the field is not left
        eventually(page, sortie, **seen)
        expect(page.get_by_role('button', name=chip, exact=True)).to_have_attribute('aria-pressed', 'true')
        expect(field).to_have_value(text)
        field.press('Tab')
    page.get_by_label('Speed over threshold', exact=True).press('ArrowUp')
    eventually(page, sortie, note='late on the power', threshold_speed_kias=65, **seen)


def test_a_browser_that_keeps_nothing_says_so_before_the_flight(page: Page, server: Server):
    page.add_init_script("indexedDB.open = () => { throw new DOMException('no', 'InvalidStateError') }")
    signed_in(page, server)
    open_today(page, 'Ines Carvalho')
    page.get_by_role('button', name='Take along').click()
    expect(page.get_by_role('alert')).to_contain_text('This browser keeps nothing')
    page.get_by_role('link', name='Laps').click()
    tap(page, 900)
    expect(page.get_by_label('Result')).to_contain_text('In the box')  # with a network it goes on all the same


def test_a_full_storage_keeps_the_lap_on_the_page_says_so_and_sends_it(marta: Page, context: BrowserContext, quiet):
    page = marta
    sortie = recorder(page)
    context.set_offline(True)
    # as a browser does when the device is full
    page.evaluate(
        """() => { for (const act of ['add', 'put']) IDBObjectStore.prototype[act] = () => {
            throw new DOMException('full', 'QuotaExceededError') } }"""
    )
    tap(page, 900)
    expect(page.get_by_text('only on this page: keep it open')).to_be_visible()
    expect(page.get_by_label('Result')).to_contain_text('Calculated on this device')
    context.set_offline(False)
    expect(page.get_by_text(re.compile('✓ saved$'))).to_be_visible()
    assert [round(lap['along_ft'], -1) for lap in stored(page, sortie)] == [900]
    quiet.clear()  # the browser itself complained of the lost connection


FILL = """() => { window.acts = {}; for (const act of ['add', 'put']) {
    window.acts[act] = IDBObjectStore.prototype[act]
    IDBObjectStore.prototype[act] = () => { throw new DOMException('full', 'QuotaExceededError') } } }"""
FREE = '() => { for (const [act, own] of Object.entries(window.acts)) IDBObjectStore.prototype[act] = own }'


def test_what_was_kept_on_the_page_never_stands_in_the_way_of_a_later_tap(marta: Page, context: BrowserContext, quiet):
    """One lap tapped again and again while the storage is full, free, full and free: the last tap is stored."""
    page = marta
    sortie = recorder(page)
    saved = page.get_by_text(re.compile('✓ saved$'))
    context.set_offline(True)
    tap(page, 600)
    expect(page.get_by_text('1 lap is only on this device')).to_be_visible()
    page.evaluate(FILL)
    tap(page, 700)
    expect(page.get_by_text('only on this page: keep it open')).to_be_visible()
    page.evaluate(FREE)
    tap(page, 800)
    expect(page.get_by_text('only on this page: keep it open')).to_be_hidden()
    context.set_offline(False)
    expect(saved).to_be_visible()
    assert [round(lap['along_ft'], -1) for lap in stored(page, sortie)] == [800]
    page.evaluate(FILL)
    tap(page, 900)  # with a network: kept on the page, and sent from there
    eventually(page, sortie, along_ft=900)
    page.evaluate(FREE)
    tap(page, 1_000)
    eventually(page, sortie, along_ft=1_000)
    quiet.clear()  # the browser itself complained of the lost connection


def eventually(page: Page, sortie: int, **seen: Any) -> None:
    """Wait until the only lap of a sortie is stored as it was seen; places to ten feet."""
    for _ in range(80):
        laps = stored(page, sortie)
        found = [{name: lap[name] for name in seen} for lap in laps]
        for one in found:
            if 'along_ft' in one:
                one['along_ft'] = round(one['along_ft'], -1)
        if found == [seen]:
            return
        page.wait_for_timeout(100)
    raise AssertionError((found, seen))


def test_the_position_becomes_the_track_of_the_sortie(marta: Page, context: BrowserContext):
    page = marta
    context.grant_permissions(['geolocation'])
    context.set_geolocation({'latitude': 50.0, 'longitude': -30.0, 'accuracy': 4})
    sortie = recorder(page)
    page.get_by_role('switch', name='Record position').click()
    for i in range(12):
        context.set_geolocation({'latitude': 50.0 + i * 1e-4, 'longitude': -30.0 + i * 1e-4, 'accuracy': 4})
        page.wait_for_timeout(120)
    expect(page.get_by_text(re.compile(r'positions in 0 min, ±4 m'))).to_be_visible()
    page.get_by_role('link', name='Pattern').click()  # it goes on on every screen
    page.get_by_role('link', name='Laps').click()
    page.get_by_role('switch', name='Recording position').click()
    expect(device(page)).to_be_hidden()
    for _ in range(50):
        tracks = page.request.get(f'{page.url.split("/sorties")[0]}/api/sorties/{sortie}/tracks').json()['tracks']
        if tracks:
            break
        page.wait_for_timeout(100)
    assert len(tracks) == 1
    assert 8 <= tracks[0]['fixes'] <= 14


def test_a_lap_may_be_of_another_kind_and_spot_and_be_left_out(marta: Page):
    page = marta
    sortie = recorder(page, 'Priya Raman')
    page.get_by_label('Spot of this lap: more').click()
    spot = float(page.get_by_label('Spot of this lap', exact=True).input_value())
    page.get_by_role('radio', name='Normal').first.click()
    tap(page, spot + 200)
    page.get_by_role('button', name='More: who flew').click()
    page.get_by_role('radio', name='Instructor').click()
    page.get_by_role('button', name='Instructor flew').click()
    page.get_by_role('button', name='Good speed control').click()
    # the wind of a flown lap is put right on the same dial, and taken back
    page.get_by_role('button', name='Wind of this lap: as briefed').click()
    dialog = page.get_by_role('dialog')
    expect(dialog).to_contain_text('Wind of lap 1')
    dialog.get_by_label('Gusts to: more').click()
    dialog.get_by_role('button', name=re.compile('^Use ')).click()
    expect(page.get_by_role('button', name=re.compile('^Wind of this lap: .* gust '))).to_be_visible()
    page.get_by_role('button', name='As briefed', exact=True).click()
    expect(page.get_by_role('button', name='Wind of this lap: as briefed')).to_be_visible()
    expect(page.get_by_label('Result')).to_contain_text('Left out of learning: instructor flew')
    expect(page.get_by_text(re.compile('✓ saved$'))).to_be_visible()
    lap = stored(page, sortie)[0]
    assert (lap['landing'], lap['spot_ft'], lap['flown_by'], lap['excluded'], lap['note']) == (
        'normal',
        spot,
        'instructor',
        'instructor_flew',
        'Good speed control',
    )


def test_the_wind_turns_and_the_laps_go_to_the_other_runway_without_a_network(
    marta: Page, context: BrowserContext, quiet: list[str]
):
    page = marta
    sortie = recorder(page)
    context.set_offline(True)
    page.get_by_role('radio', name='23', exact=True).click()
    expect(page.get_by_text('· 23')).to_be_visible()
    tap(page, 900)
    page.get_by_role('button', name='Touch-and-go', exact=True).click()
    expect(page.get_by_label('Result')).to_contain_text('Calculated on this device')
    page.get_by_role('button', name='Next lap').click()
    expect(page.get_by_role('radio', name='23', exact=True)).to_be_checked()  # and so the laps after it
    tap(page, 850)
    page.get_by_role('button', name='Next lap').click()
    page.get_by_role('radio', name='05', exact=True).click()
    tap(page, 800)
    context.set_offline(False)
    expect(device(page)).to_be_hidden()
    assert [lap['runway_ident'] for lap in stored(page, sortie)] == ['23', '23', '05']
    quiet.clear()  # the browser itself complained of the lost connection


def dial(page: Page, *, right: float, up: float) -> Any:
    """Open the dial and put the thumb down so far from its middle, in shares of its half; the dialog."""
    page.get_by_role('button', name=re.compile('^Wind .*: change it$')).click()
    dialog = page.get_by_role('dialog')
    box = dialog.get_by_role('img', name=re.compile('Dial over runway')).bounding_box()
    assert box is not None
    page.mouse.click(box['x'] + box['width'] * (1 + right) / 2, box['y'] + box['height'] * (1 - up) / 2)
    return dialog


@pytest.mark.parametrize('is_offline', [False, True])
def test_a_wind_set_by_thumb_moves_brief_limits_and_ranking_from_now_on(
    marta: Page, context: BrowserContext, quiet: list[str], is_offline: bool
):
    page = marta
    sortie = recorder(page)
    calm_aim = before_spot(page)
    if is_offline:
        context.set_offline(True)
    dialog = dial(page, right=0.0, up=0.5)  # down runway 05
    expect(dialog).to_contain_text('Within every limit that is known')
    expect(dialog).to_contain_text('Wind now: 050° 20 kt')
    dialog.get_by_label('Gusts to: more').click()
    dialog.get_by_role('button', name=re.compile('^Use 050° 20 gust 25 kt')).click()
    expect(page.get_by_role('button', name=re.compile('^Wind 050° 20 gust 25 kt: change it'))).to_be_visible()
    # it floats less against 20 kt than against 9: the aim is nearer the spot
    for _ in range(80):
        if before_spot(page) <= calm_aim - 40:
            break
        page.wait_for_timeout(100)
    assert before_spot(page) <= calm_aim - 40
    # from the side: over the limit of the aircraft, and the grass runway is better
    dialog = dial(page, right=0.45, up=0.0)
    expect(dialog).to_contain_text('is over the aircraft limit of 15 kt')
    ends = dialog.get_by_role('group', name='Runway, best first by this wind').get_by_role('button')
    expect(ends.first).to_contain_text('14')
    expect(ends.filter(has_text='05')).to_contain_text('✕')
    dialog.get_by_role('button', name=re.compile('^Use 140°')).click()
    expect(page.get_by_text(re.compile('Crosswind .* is over the aircraft limit of 15 kt')).first).to_be_visible()
    page.get_by_role('link', name='Landing').click()
    expect(page.get_by_label('Wind on the runway')).to_contain_text('140°')
    expect(page.get_by_label('Wind on the runway')).to_contain_text('✕ aircraft 15 kt')
    page.get_by_role('link', name='Laps').click()
    tap(page, 900)
    if is_offline:
        page.get_by_role('link', name='Debrief').click()
        expect(page.get_by_label('Laps kept on this device')).to_contain_text('Lap 1: Touch-and-go')
        context.set_offline(False)
        page.get_by_role('link', name='Laps').click()
    expect(device(page)).to_be_hidden()
    eventually(page, sortie, wind_dir_deg_mag=140.0)
    kept = page.request.get(f'{page.url.split("/sorties")[0]}/api/sorties/{sortie}').json()
    assert (round(kept['wind_dir_deg_mag']), kept['wind_source']) == (140, 'sock')
    assert kept['wind_kt'] == stored(page, sortie)[0]['wind_kt'] > 12
    quiet.clear()  # the browser itself complained of the lost connection


@pytest.mark.parametrize('days', [-1, -20_700, 45_200], ids=['yesterday', 'in 1970', 'in 2150'])
def test_a_tablet_whose_clock_is_wrong_writes_true_times(
    page: Page, context: BrowserContext, server: Server, days: int, quiet: list[str]
):
    page.add_init_script(
        f'const off = {days} * 86400000; const True = Date; Date = class extends True {{'
        ' constructor(...given) { super(...(given.length ? given : [True.now() + off])) }'
        ' static now() { return True.now() + off } }'
    )
    signed_in(page, server)
    # every page asks for the days that the server lives in
    for path in ('', 'week', 'students', 'overview', 'logbook', 'sorties/new', 'tracks'):
        page.goto(f'{server.url}/{path}')
        page.get_by_role('heading').first.wait_for()
        expect(page.get_by_role('alert')).to_have_count(0)
    page.goto(server.url)
    expect(page.get_by_role('region', name='Today').get_by_role('link', name='Ines Carvalho')).to_be_visible()
    assert quiet == []
    sortie = recorder(page, 'Tobias Lund')
    context.set_offline(True)
    page.keyboard.press('g')
    expect(device(page)).to_contain_text('1 lap is only on this device')
    context.set_offline(False)
    expect(device(page)).to_be_hidden()
    (lap,) = stored(page, sortie)
    off = datetime.fromisoformat(lap['flown_at']) - datetime.now(UTC)
    assert abs(off.total_seconds()) < 120
    quiet.clear()  # the browser itself complained of the lost connection


@pytest.mark.browser_context_args(service_workers='allow')
def test_a_recorder_that_was_not_taken_along_stays_and_notes_on(marta: Page, context: BrowserContext, quiet: list[str]):
    page = marta
    open_today(page, 'Owen Fairbairn')
    page.get_by_role('link', name='Laps').click()
    page.get_by_role('application').wait_for()
    sortie = int(page.url.split('/')[-2])
    context.set_offline(True)
    for feet in (700, 760):
        tap(page, feet)
        page.get_by_role('button', name='Touch-and-go', exact=True).click()
        expect(page.get_by_text('✓ saved on this device')).to_be_visible()
        page.get_by_role('button', name='Next lap').click()
        expect(page.get_by_role('application')).to_be_visible()
    # nothing is worked out here: no number of another lap stands in for it
    expect(page.get_by_text('No aim point, speed or chance is known here')).to_be_visible()
    expect(page.get_by_text('Chance to hit', exact=True)).to_have_count(0)
    context.set_offline(False)
    expect(device(page)).to_be_hidden()
    expect(page.get_by_text('Chance to hit', exact=True)).to_be_visible()
    assert [round(lap['along_ft'], -1) for lap in stored(page, sortie)] == pytest.approx([700, 760], abs=10)
    quiet.clear()  # the browser itself complained of the lost connection


@pytest.mark.browser_context_args(service_workers='allow')
def test_what_was_taken_along_ranks_the_runways_on_the_ground_without_a_network(
    marta: Page, context: BrowserContext, quiet: list[str]
):
    page = marta
    recorder(page)
    page.evaluate('navigator.serviceWorker.ready')
    context.set_offline(True)
    page.reload()
    page.get_by_role('application').wait_for()
    page.get_by_role('link', name='Prepare').click()
    ends = page.get_by_role('button', name=re.compile(r'^(05|23|14|32)'))
    expect(ends.first).to_contain_text('05')
    wind = page.get_by_label('Wind', exact=True)
    wind.fill('14')
    wind.press('Enter')
    expect(ends.filter(has_text='over a limit').first).to_be_visible()
    expect(page.get_by_text('takeoff margin unknown without a network').first).to_be_visible()
    quiet.clear()  # the browser itself complained of the lost connection


def test_a_new_version_waits_for_the_user(looking: Page):
    worker = looking.request.get(looking.url + 'sw.js')
    assert worker.headers['cache-control'] == 'no-cache'
    # it takes over when told to, by a message of the page, and never by itself
    assert re.search(r'"SKIP_WAITING"\s*===?.{0,40}self\.skipWaiting\(\)', worker.text())
    assert worker.text().count('skipWaiting()') == 1
    manifest = looking.request.get(looking.url + 'manifest.webmanifest').json()
    assert manifest['display'] == 'standalone'
    for icon in manifest['icons']:
        assert looking.request.get(looking.url.rstrip('/') + icon['src']).headers['content-type'].startswith('image/')


def test_a_go_around_that_was_going_to_be_long_is_marked_with_one_tap_more(marta: Page):
    page = marta
    open_today(page, 'Ines Carvalho')
    page.keyboard.press('5')
    page.get_by_role('application').wait_for()
    page.keyboard.press('g')
    page.get_by_role('button', name='Going long').click()
    expect(page.get_by_text('It was going to be long, and the next aim point takes that into account')).to_be_visible()
