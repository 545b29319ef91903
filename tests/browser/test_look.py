"""Every screen, on each size it is meant for and in both themes: nothing sideways, nothing axe-core calls serious."""

import colorsys
import re

from playwright.sync_api import Page, expect

from bullseye.launch.places import WEB
from tests.browser.conftest import Server, serious_faults

SIZES = [(1280, 800), (1024, 768), (390, 844)]
OF_THE_SCHOOL = (
    '/',
    '/people',
    '/account',
    '/deeds',
    '/fleet',
    '/hangar',
    '/fields',
    '/standards',
    '/techniques',
    '/tracks',
    '/sorties/new',
)
OF_THE_RECORD = ('/students', '/week', '/syllabus', '/faults', '/logbook', '/practice')
OF_A_SORTIE = ('prepare', 'takeoff', 'pattern', 'landing', 'lap-plan', 'kneeboard', 'laps', 'debrief')


def test_the_sign_in_fits_and_can_be_read_by_everybody(page: Page, still_server: Server, quiet):
    page.goto(still_server.url)
    expect(page.get_by_role('heading', name='Demo school')).to_be_visible()
    assert _faults(page) == []


def test_every_screen_of_the_school_fits_and_can_be_read_by_everybody(looking: Page, still_server: Server):
    faults = {}
    for address in (*OF_THE_SCHOOL, _first_flight(looking)):
        looking.goto(f'{still_server.url}{address}')
        looking.get_by_role('heading').first.wait_for()
        if address.startswith('/tracks/'):
            looking.locator('[data-mark=flown]').first.wait_for()
        faults[address] = _faults(looking)
    assert {where: found for where, found in faults.items() if found} == {}


def test_every_screen_of_the_record_fits_and_can_be_read_by_everybody(looking: Page, still_server: Server):
    faults = {}
    person = looking.evaluate("fetch('/api/catalogue').then((reply) => reply.json())")['people']
    student = next(one['id'] for one in person if one['name'] == 'Owen Fairbairn')
    for address in (*OF_THE_RECORD, f'/students/{student}'):
        looking.goto(f'{still_server.url}{address}')
        looking.get_by_role('heading').first.wait_for()
        looking.wait_for_load_state('networkidle')
        faults[address] = _faults(looking)
    assert {where: found for where, found in faults.items() if found} == {}


def test_every_screen_of_a_sortie_fits_and_can_be_read_by_everybody(looking: Page, still_server: Server):
    flown = looking.get_by_role('region', name='Before').get_by_role('link').first.get_attribute('href')
    faults = {}
    for step in OF_A_SORTIE:
        looking.goto(f'{still_server.url}{flown.rsplit("/", 1)[0]}/{step}')
        looking.get_by_role('heading').first.wait_for()
        if step in ('landing', 'laps', 'debrief'):
            looking.locator('[data-mark=aim]').first.wait_for()
        if step in ('takeoff', 'pattern'):
            looking.get_by_role('img').last.wait_for()
        if step == 'laps':
            looking.get_by_role('button', name='Lap 1', exact=True).click()
            looking.get_by_label('Result').wait_for()
        faults[step] = _faults(looking)
        if step == 'laps':  # left at the size of a phone
            ends = looking.get_by_label('How it ended').get_by_role('button').all()
            assert [one.inner_text() for one in ends if one.bounding_box()['height'] < 56] == []
    assert {where: found for where, found in faults.items() if found} == {}


def _faults(page: Page) -> list[str]:
    """What is wrong with the page as it is, on every size and, as far as colours go, by night; it ends up a phone's."""
    found = []
    page.evaluate("document.documentElement.dataset.theme = 'night'")
    found += [f'night: {one}' for one in serious_faults(page, only='color-contrast')]
    page.evaluate("document.documentElement.dataset.theme = 'day'")
    for width, height in SIZES:
        page.set_viewport_size({'width': width, 'height': height})
        wide = page.evaluate('document.documentElement.scrollWidth')
        found += [f'{width}: {wide} wide'] if wide > width else []
        # what axe-core looks for beside colours hangs on what is laid out, and that changes for the phone alone
        found += [f'{width}: {one}' for one in serious_faults(page)] if width != 1024 else []
    return found


def _first_flight(page: Page) -> str:
    """Address of the demo's recorded flight."""
    found = page.evaluate("fetch('/api/tracks').then((reply) => reply.json())")
    return f'/tracks/{found["tracks"][0]["id"]}'


def test_the_night_colours_are_dim_and_hold_no_red():
    styles = (WEB / 'src' / 'styles' / 'main.css').read_text()
    night = styles.split("[data-theme='night'] {")[1].split('}')[0]
    colours = dict(re.findall(r'(--[\w-]+): #([0-9a-f]{6});', night))
    assert len(colours) > 15
    for name, code in colours.items():
        red, green, blue = (int(code[i : i + 2], 16) / 255 for i in (0, 2, 4))
        hue, _, saturation = colorsys.rgb_to_hls(red, green, blue)
        assert saturation < 0.25 or 40 / 360 <= hue <= 250 / 360, name
        if name in ('--paper', '--card', '--warn-wash', '--fail-wash'):
            assert max(red, green, blue) < 0.2, name


def test_the_theme_is_remembered(looking: Page):
    looking.get_by_role('button', name='Night colours').click()
    looking.reload()
    expect(looking.get_by_role('button', name='Day colours')).to_be_visible()
    assert looking.evaluate('document.documentElement.dataset.theme') == 'night'


def test_the_first_screen_needs_little_script(page: Page, still_server: Server):
    page.goto(still_server.url)
    page.get_by_role('heading', name='Demo school').wait_for()
    import gzip

    loaded = page.evaluate(
        "performance.getEntriesByType('resource').map((r) => r.name).filter((n) => n.endsWith('.js'))"
    )
    packed = [len(gzip.compress((WEB / 'dist' / 'assets' / name.rsplit('/', 1)[1]).read_bytes())) for name in loaded]
    assert packed
    assert sum(packed) < 200_000  # docs: first screen under 200 kB of script, gzipped
