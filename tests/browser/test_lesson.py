"""The whole way of an instructor, from the wind to a scored landing."""

import re

from playwright.sync_api import Page, expect

from tests.browser.conftest import Server, open_today


def aim(page: Page) -> str:
    """The aim point as shown in large type."""
    return (
        page.get_by_text(re.compile(r'^(Next aim point(, spot [\d,]+)?|Aim( point)?)$'))
        .first.locator('xpath=following-sibling::p[1]')
        .inner_text()
    )


def before_spot(page: Page) -> float:
    """Feet from the aim point to the spot of the next lap."""
    return float(page.get_by_label('Spot of this lap', exact=True).input_value()) - float(
        aim(page)[:-2].replace(',', '')
    )


def learned(page: Page, first_aim: float) -> bool:
    """Whether the next aim point comes to lie before the first; it is asked for after the lap is saved."""
    for _ in range(40):
        if before_spot(page) > first_aim + 5:
            return True
        page.wait_for_timeout(250)
    return False


def tap(page: Page, feet: float, *, lateral: float = 0.0) -> None:
    """Tap the strip at a place on the runway, read off its own scale."""
    strip = page.get_by_role('application')
    strip.scroll_into_view_if_needed()
    ticks = strip.locator('text.figure[font-size="13"]').all()
    places = [(float(t.text_content().replace(',', '')), float(t.get_attribute('x'))) for t in ticks]
    (feet_a, x_a), (feet_b, x_b) = places[0], places[-1]
    x = x_a + (feet - feet_a) * (x_b - x_a) / (feet_b - feet_a)
    strip.click(position={'x': x, 'y': 50 + 75 + lateral * 150 / 60})


def test_from_the_wind_to_three_scored_landings_and_all_is_kept(marta: Page, server: Server, quiet: list[str]):
    page = marta
    open_today(page, 'Ines Carvalho')
    expect(page).to_have_title('Landing · Bullseye')
    expect(page.get_by_text('KIAS').first).to_be_visible()
    expect(page.get_by_text('8 kt headwind')).to_be_visible()
    expect(page.get_by_text('student 6 kt')).to_be_visible()
    expect(page.get_by_text('Start the roundout with the nose at')).to_be_visible()
    expect(page.get_by_text('A go-around is always a good answer')).to_be_in_viewport()
    page.get_by_role('button', name='Speed, step by step').click()
    expect(page.get_by_text('speeds fall with its square root')).to_be_visible()

    page.get_by_role('link', name='Laps').click()
    expect(page).to_have_title('Laps · Bullseye')
    first_aim = before_spot(page)
    for number, feet in enumerate((1_180, 1_220, 1_160), start=1):
        tap(page, feet, lateral=4)
        page.get_by_role('button', name='Touch-and-go', exact=True).click()
        result = page.get_by_label('Result')
        expect(result).to_contain_text('beyond the box')
        expect(page.get_by_text(re.compile('✓ saved$'))).to_be_visible()  # by the server, not only here
        if number == 1:
            expect(result).not_to_contain_text('Together')
            result.get_by_role('button', name='Why').click()
        expect(result).to_contain_text('Together')
        expect(page.get_by_role('heading', name=f'Lap {number}')).to_be_visible()
        page.get_by_role('button', name='Next lap').click()
    assert learned(page, first_aim)  # that she lands long

    server.stop()
    server.start()
    page.get_by_role('link', name='Debrief').click()
    expect(page.get_by_role('heading', name='Debrief')).to_be_visible()
    page.reload()
    expect(page.get_by_text('0 of 3')).to_be_visible()
    expect(page.locator('[data-mark=touch]')).to_have_count(3)
    expect(page.get_by_label('The one change')).to_contain_text('Steadily')
    expect(page.get_by_role('row').filter(has_text='Touch-and-go')).to_have_count(3)


def test_dragging_the_spot_redraws_and_says_the_effect_in_feet(marta: Page, quiet: list[str]):
    page = marta
    open_today(page, 'Owen Fairbairn')
    before = aim(page)
    box = page.locator('[data-mark=spot] circle').last.bounding_box()
    page.mouse.move(box['x'] + box['width'] / 2, box['y'] + box['height'] / 2)
    page.mouse.down()
    page.mouse.move(box['x'] + 90, box['y'] + box['height'] / 2, steps=12)
    page.mouse.up()
    expect(page.get_by_role('status')).to_contain_text('ft')
    assert aim(page) != before
    page.get_by_role('button', name='As it was').click()
    assert aim(page) == before
    page.get_by_label('Wind: more').click()
    expect(page.get_by_role('status')).to_contain_text('shorter')
    page.get_by_role('button', name='Keep').click()
    expect(page.get_by_role('button', name='Keep')).to_be_hidden()
    page.reload()
    expect(page.get_by_label('Wind', exact=True)).to_have_value('9')
    page.get_by_label('Weight', exact=True).fill('9000')
    page.get_by_label('Weight', exact=True).press('Enter')
    expect(page.get_by_role('alert')).to_contain_text('Enter a value between 1450 and 2400 lb')
    quiet.clear()  # the browser logs the refusal


def test_a_new_sortie_takes_a_few_taps(marta: Page, quiet: list[str]):
    page = marta
    page.get_by_role('link', name='New sortie').click()
    page.get_by_label('Student').select_option('Priya Raman')
    page.get_by_label('Field and runway').select_option(label='Cairn Moss 18: 3,610 ft asphalt')
    page.get_by_label('Gust', exact=True).fill('2')
    page.get_by_label('Gust', exact=True).press('Tab')
    page.get_by_role('button', name='Make the sortie').click()
    expect(page.get_by_role('alert')).to_have_count(2)  # beside the gust, and where the runways would be ranked
    expect(page.get_by_role('alert').first).to_contain_text('at least the steady wind')
    quiet.clear()  # the browser logs the refusal
    page.get_by_label('Gust', exact=True).fill('')
    page.get_by_label('Gust', exact=True).press('Tab')
    page.get_by_role('button', name='Make the sortie').click()
    expect(page.get_by_role('heading', name=re.compile('runway 18'))).to_be_visible()
    expect(page.get_by_text('Priya Raman')).to_be_visible()


def test_everything_of_a_lap_can_be_noted_and_undone(marta: Page):
    page = marta
    open_today(page, 'Ines Carvalho')
    page.keyboard.press('5')
    tap(page, 760)
    page.get_by_role('button', name='Drift left').click()
    page.get_by_role('button', name='Bounced').click()
    page.get_by_label('Speed over threshold: more').click()
    page.get_by_label('hold while the aeroplane floats').dispatch_event('pointerdown')
    page.wait_for_timeout(700)  # not waited for anything: this is the float that is measured
    page.get_by_label('hold while the aeroplane floats').dispatch_event('pointerup')
    result = page.get_by_label('Result')
    result.get_by_role('button', name='Why').click()
    expect(result).to_contain_text('left')
    expect(result).to_contain_text('bounced')
    expect(result.get_by_role('row', name='Float')).to_contain_text(re.compile(r'0\.[6-9] s'))
    expect(result.get_by_role('row', name='Speed over the threshold')).to_contain_text('pass')
    for _ in range(4):
        page.get_by_role('button', name='Undo').click()
    expect(result.get_by_role('row', name='Drift')).to_contain_text('unknown')
    page.get_by_role('button', name='Undo').click()  # the tap itself: the lap is gone
    expect(page.get_by_role('heading', name='Next: lap 1')).to_be_visible()
    expect(page.get_by_role('button', name='Lap 1')).to_be_hidden()


def test_the_keyboard_alone_is_enough(page: Page, server: Server, quiet: list[str]):
    page.goto(server.url)
    page.get_by_role('button', name='Marta Kowalczyk').focus()
    page.keyboard.press('Enter')
    page.get_by_role('heading', name='Students').wait_for()
    page.keyboard.press('t')  # to the sorties of today
    page.get_by_role('heading', name='Sorties').wait_for()
    page.keyboard.press('/')
    page.keyboard.type('tobias')
    expect(page.get_by_role('link', name='Ines Carvalho')).to_have_count(0)
    page.get_by_role('region', name='Found').get_by_role('link', name='Tobias Lund').first.focus()
    page.keyboard.press('Enter')
    page.get_by_role('slider', name='Spot, feet from the threshold').focus()
    page.keyboard.press('ArrowRight')
    expect(page.get_by_role('status')).to_contain_text('10 ft')
    page.keyboard.press('5')
    strip = page.get_by_role('application')
    strip.focus()
    # keys may come faster than the storage of the device answers
    strip.evaluate(
        """on => { for (const key of ['ArrowRight', 'ArrowRight', 'ArrowDown', 'ArrowRight'])
            on.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true })) }"""
    )
    expect(page.get_by_text('Touched 630 ft in, +30 ft from the spot')).to_be_visible()
    page.keyboard.press('ArrowLeft')
    page.keyboard.press('ArrowDown')
    expect(page.get_by_text('Touched 620 ft in, +20 ft from the spot')).to_be_visible()
    expect(page.get_by_text('4 ft right of the centreline')).to_be_visible()
    page.keyboard.press('n')
    page.keyboard.press('g')
    expect(page.get_by_label('Result')).to_contain_text('always a good answer')
    page.keyboard.press('[')
    expect(page.get_by_role('heading', name='Lap 1')).to_be_visible()
    page.keyboard.press('u')  # takes the go-around back
    expect(page.get_by_role('button', name='Lap 2')).to_have_count(0)
    page.keyboard.press('?')
    expect(page.get_by_role('dialog')).to_contain_text('Next lap')
    page.keyboard.press('Escape')
    page.keyboard.press('6')
    expect(page.get_by_role('heading', name='Debrief: Tobias Lund')).to_be_visible()


def test_a_student_reads_and_does_not_write(page: Page, still_server: Server, quiet: list[str]):
    page.goto(still_server.url)
    page.get_by_role('button', name='Ines Carvalho').click()
    page.get_by_role('heading', name='Ines Carvalho').wait_for()  # a student begins at their own page
    page.get_by_role('link', name='Bullseye').click()
    page.get_by_role('heading', name='Sorties').wait_for()
    expect(page.get_by_role('link', name='Owen Fairbairn')).to_have_count(0)
    expect(page.get_by_role('link', name='New sortie')).to_have_count(0)
    open_today(page, 'Ines Carvalho')
    page.get_by_label('Wind: more').click()  # what if is for everybody
    expect(page.get_by_role('status')).to_contain_text('shorter')
    expect(page.get_by_role('button', name='Keep')).to_have_count(0)
    page.keyboard.press('5')
    expect(page.get_by_role('heading', name='Next: lap 1')).to_be_visible()
    expect(page.get_by_role('application')).to_have_count(0)
    expect(page.get_by_role('button', name='Touch-and-go')).to_have_count(0)
    page.get_by_role('button', name='Sign out').click()
    expect(page.get_by_role('heading', name='Sign in')).to_be_visible()
