"""Practice on the ground in the browser: by touch and by keyboard, with a network and without."""

import re

from playwright.sync_api import BrowserContext, Page, expect

from tests.browser.conftest import Server, signed_in


def picture(page: Page, number: int) -> None:
    expect(page.get_by_text(f'Picture {number} of 30')).to_be_visible()
    expect(page.get_by_role('button', name='High', exact=True)).to_be_enabled()


def drawn(page: Page) -> int:
    """How many colours the picture from the seat has."""
    return int(
        page.evaluate(
            """() => { const at = document.querySelector('canvas')
            const all = at.getContext('2d').getImageData(0, 0, at.width, at.height).data
            const found = new Set()
            for (let k = 0; k < all.length; k += 4 * 37) found.add(`${all[k]} ${all[k + 1]} ${all[k + 2]}`)
            return found.size }"""
        )
    )


def test_pictures_by_touch_and_by_keyboard_measure_an_angle(page: Page, server: Server, quiet: list[str]):
    signed_in(page, server, name='Ines Carvalho')
    page.goto(f'{server.url}/practice')
    page.get_by_role('region', name='High, low or right?').get_by_role('button').click()
    picture(page, 1)
    assert drawn(page) >= 4  # sky, ground, runway and nose
    page.get_by_role('button', name='Right', exact=True).click()
    expect(page.get_by_role('status')).to_contain_text(re.compile('It was (right on the path|[0-9.]+° (high|low))'))
    for number, key in enumerate(('ArrowUp', 'ArrowDown', 'ArrowRight') * 4, start=2):
        picture(page, number)
        page.keyboard.press(key)
    page.get_by_role('button', name='Stop here').click()
    result = page.get_by_role('region', name='What it measured')
    expect(result).to_contain_text(re.compile('You notice [0-9.]+° off the path'))
    expect(page.get_by_role('listitem').filter(has_text='just noticed')).to_have_count(1)


def test_the_moment_to_round_out_is_pressed_and_waits_for_the_network(
    page: Page, context: BrowserContext, server: Server, quiet: list[str]
):
    page.set_viewport_size({'width': 390, 'height': 844})
    signed_in(page, server, name='Ines Carvalho')
    page.goto(f'{server.url}/practice')
    page.get_by_role('region', name='Round out now').get_by_role('button').click()
    for number in range(1, 7):
        expect(page.get_by_text(f'Film {number} of 6')).to_be_visible()
        if number % 2:
            page.keyboard.press(' ')
        else:
            page.get_by_role('button', name='Now', exact=True).dispatch_event('pointerdown')
        expect(page.get_by_role('status')).to_contain_text(re.compile('early|late|Right on the moment'))
        if number == 6:
            context.set_offline(True)
        page.get_by_role('button', name=re.compile('Next film|What it measured')).click()
    expect(page.get_by_text('Your answers are kept on this device')).to_be_visible()
    context.set_offline(False)
    page.goto(f'{server.url}/practice')
    expect(page.get_by_role('listitem').filter(has_text='off in height')).to_have_count(1)
    quiet.clear()  # the browser itself complained of the lost connection
