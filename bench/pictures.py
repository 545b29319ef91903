"""Take the pictures of docs/screenshots from the demo school, one current picture of each main view."""

import re
from pathlib import Path

from playwright.sync_api import Page, sync_playwright

from screen import BROWSER, FLAGS
from serving import ROOT, serving

FOLDER = ROOT / 'docs' / 'screenshots'


def lesson(page: Page, base: str) -> None:
    """Three laps of Ines, so that there is something to see."""
    page.goto(base)
    page.get_by_role('button', name='Marta Kowalczyk').click()
    page.get_by_role('heading', name='Students').wait_for()  # where a chief begins
    page.goto(base)
    page.get_by_role('region', name='Today').get_by_role('link', name='Ines Carvalho').click()
    page.get_by_role('link', name='Laps', exact=True).click()
    page.get_by_role('button', name='Take along').first.click()
    page.get_by_role('button', name=re.compile('✓ On this device')).first.wait_for()
    strip = page.get_by_role('application')
    for x, y in ((620, 112), (560, 140), (600, 126)):
        strip.click(position={'x': x, 'y': y})
        page.get_by_role('button', name='Nothing wrong').click()
        page.get_by_label('Speed over threshold: more').click()
        page.get_by_text(re.compile('✓ saved$')).wait_for()
        page.get_by_role('button', name='Next lap').click()


def replay(page: Page, base: str) -> None:
    """The demo's recorded flight, its laps taken, two of them laid over each other."""
    page.goto(f'{base}/tracks')
    page.get_by_role('list', name='Flights').get_by_role('link').first.click()
    page.locator('[data-mark=flown]').first.wait_for()
    page.get_by_role('button', name='Take these laps').click()
    page.locator('[data-mark=planned]').first.wait_for()
    page.get_by_role('button', name='Lap 2', exact=True).click()
    page.get_by_label('Lay lap 3 over it').click()
    page.get_by_role('button', name='300 ft').click()
    shoot(page, 'replay')


def shoot(page: Page, name: str) -> None:
    """One picture, once the page is still."""
    page.mouse.move(0, 0)
    page.wait_for_timeout(600)
    page.screenshot(path=FOLDER / f'{name}.png')


if __name__ == '__main__':
    FOLDER.mkdir(parents=True, exist_ok=True)
    for old in Path(FOLDER).glob('*.png'):
        old.unlink()
    with serving(8797) as base, sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=BROWSER, args=FLAGS)
        page = browser.new_page(viewport={'width': 1280, 'height': 800})
        lesson(page, base)
        page.goto(f'{base}/')
        shoot(page, 'today')
        page.goto(f'{base}/sorties/new')
        shoot(page, 'new-sortie')
        page.goto(base)
        page.get_by_role('region', name='Today').get_by_role('link', name='Ines Carvalho').click()
        shoot(page, 'debrief')
        page.keyboard.press('4')
        shoot(page, 'landing')
        page.keyboard.press('5')
        page.get_by_role('button', name='Lap 3').click()
        shoot(page, 'laps')
        sortie = page.url.rsplit('/', 1)[0]
        page.keyboard.press('2')
        shoot(page, 'takeoff')
        page.keyboard.press('3')
        shoot(page, 'pattern')
        page.keyboard.press('1')
        page.get_by_label('METAR').fill('LANT 251150Z 06012G18KT 9999 FEW030 14/08 Q1016')
        page.get_by_role('button', name='Read').click()
        page.get_by_role('heading', name='Runways of').scroll_into_view_if_needed()
        page.mouse.wheel(0, 1_000)
        shoot(page, 'prepare')
        page.keyboard.press('Escape')
        for step in ('lap-plan', 'kneeboard'):
            page.goto(f'{sortie}/{step}')
            shoot(page, step)
        for place in ('hangar', 'fields', 'fleet', 'week', 'students'):
            page.goto(f'{base}/{place}')
            page.locator('h1').first.wait_for()
            shoot(page, place)
        page.get_by_role('region', name='Every student').get_by_role('link', name='Owen Fairbairn').click()
        page.get_by_role('region', name='In short').wait_for()
        shoot(page, 'student')
        at_home = page.url
        replay(page, base)
        page.goto(f'{sortie}/laps')
        page.get_by_role('application').wait_for()
        page.get_by_role('button', name='Night').click()
        page.set_viewport_size({'width': 390, 'height': 844})
        page.keyboard.press('5')
        shoot(page, 'laps-phone-night')
        page.get_by_role('button', name='Day', exact=True).or_(page.get_by_role('button', name='Day colours')).click()
        page.goto(at_home)
        page.get_by_role('region', name='In short').wait_for()
        shoot(page, 'student-phone')
        browser.close()
