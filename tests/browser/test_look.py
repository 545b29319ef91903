"""Every screen, on each size it is meant for and in both themes: nothing sideways, nothing axe-core calls serious."""

import colorsys
import re

import pytest
from playwright.sync_api import Page, expect

from bullseye.launch.places import WEB
from tests.browser.conftest import Server, serious_faults

# what fits does not depend on the colours, and what can be read not on the size: no need for every pair
SIZES = [(1280, 800, 'day'), (1024, 768, 'day'), (390, 844, 'day'), (1024, 768, 'night')]


@pytest.mark.parametrize(('width', 'height', 'theme'), SIZES)
def test_every_screen_fits_and_can_be_read_by_everybody(page: Page, still_server: Server, quiet, theme, width, height):
    page.set_viewport_size({'width': width, 'height': height})
    page.add_init_script(f"localStorage.setItem('theme', '{theme}')")
    page.goto(still_server.url)
    expect(page.get_by_role('heading', name='Demo school')).to_be_visible()
    faults = {'sign-in': serious_faults(page)}
    page.get_by_role('button', name='Marta Kowalczyk').click()
    page.get_by_role('heading', name='Sorties').wait_for()
    flown = page.get_by_role('region', name='Before').get_by_role('link').first.get_attribute('href')
    sortie = flown.rsplit('/', 1)[0]
    addresses = [
        '/',
        '/people',
        '/fleet',
        '/hangar',
        '/fields',
        '/standards',
        '/techniques',
        '/tracks',
        _first_flight(page),
        '/sorties/new',
        *(
            f'{sortie}/{step}'
            for step in ('prepare', 'takeoff', 'pattern', 'landing', 'lap-plan', 'kneeboard', 'laps', 'debrief')
        ),
    ]
    for address in addresses:
        page.goto(f'{still_server.url}{address}')
        page.get_by_role('heading').first.wait_for()
        if address.endswith(('landing', 'laps', 'debrief')):
            page.locator('[data-mark=aim]').first.wait_for()
        if '/tracks/' in address:
            page.locator('[data-mark=flown]').first.wait_for()
        if address.endswith(('takeoff', 'pattern')):
            page.get_by_role('img').last.wait_for()
        if address.endswith('laps'):
            page.get_by_role('button', name='Lap 1', exact=True).click()
            page.get_by_label('Result').wait_for()
            small = [
                button.inner_text()
                for button in page.get_by_label('How it ended').get_by_role('button').all()
                if button.bounding_box()['height'] < 56
            ]
            assert small == []
        assert page.evaluate('document.documentElement.scrollWidth') <= width, address
        faults[address] = serious_faults(page)
    assert {where: found for where, found in faults.items() if found} == {}
    assert page.evaluate('document.documentElement.dataset.theme') == theme


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
        if name in ('--paper', '--card', '--warn-wash'):
            assert max(red, green, blue) < 0.2, name


def test_the_theme_is_remembered(looking: Page):
    looking.get_by_role('button', name='Night colours').click()
    looking.reload()
    expect(looking.get_by_role('button', name='Day colours')).to_be_visible()


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
