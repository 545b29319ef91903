"""Prepare, takeoff and pattern: from a METAR to headings and gates."""

from playwright.sync_api import Page, expect

from tests.browser.conftest import open_today


def test_a_metar_fills_the_wind_and_ranks_the_runways(marta: Page, quiet: list[str]):
    page = marta
    page.get_by_role('link', name='New sortie').click()
    page.get_by_label('METAR').fill('LANT 251150Z NONSENSE')
    page.get_by_role('button', name='Read').click()
    expect(page.get_by_role('alert')).to_contain_text('NONSENSE')
    quiet.clear()  # the browser logs the refusal
    page.get_by_label('METAR').fill('LANT 251150Z 21014KT 9999 12/08')
    page.get_by_role('button', name='Read').click()
    said = page.get_by_label('What the report says')
    expect(said).to_contain_text('210° true: 222° magnetic')
    expect(said).to_contain_text('no pressure: enter it by hand')
    expect(page.get_by_label('Wind', exact=True)).to_have_value('14')
    ranked = page.get_by_role('region', name='Runways of Lantern Bay').get_by_role('button')
    expect(ranked.first).to_contain_text('23')
    expect(ranked.first).to_contain_text('headwind 14 kt')
    expect(ranked.first).to_contain_text('within limits')
    expect(ranked).to_have_count(4)
    over = ranked.filter(has_text='tailwind 14 kt')  # beyond the limit, and what handbook tables are good for
    expect(over).to_contain_text('✕ over a limit')
    expect(over).to_contain_text('takeoff margin unknown')
    expect(over).not_to_contain_text('within limits')
    ranked.first.click()
    expect(ranked.first).to_have_attribute('aria-pressed', 'true')
    page.get_by_role('button', name='Make the sortie').click()
    expect(page.get_by_role('heading', name='runway 23')).to_be_visible()


def test_the_takeoff_says_when_to_stop_and_what_to_do_if_the_engine_does(marta: Page):
    page = marta
    open_today(page, 'Ines Carvalho')
    page.keyboard.press('2')
    expect(page.get_by_role('heading', name='Normal takeoff, runway 05')).to_be_visible()
    expect(page.get_by_text('by 1,400 ft, half the runway')).to_be_visible()
    expect(page.locator('[data-mark=abort]')).to_be_visible()
    expect(page.get_by_role('region', name='If the engine stops')).to_contain_text('30° of the nose')
    page.get_by_role('radio', name='Soft-field').click()
    expect(page.get_by_role('heading', name='Soft-field takeoff, runway 05')).to_be_visible()
    expect(page.get_by_label('Cautions')).to_contain_text('Walk the runway')
    page.keyboard.press('u')
    expect(page.get_by_role('heading', name='Normal takeoff, runway 05')).to_be_visible()


def test_the_pattern_follows_spacing_and_wind_and_is_kept(marta: Page):
    page = marta
    open_today(page, 'Ines Carvalho')
    page.keyboard.press('3')
    expect(page.get_by_role('heading', name='Left pattern, runway 05')).to_be_visible()
    legs = page.get_by_role('region', name='Legs')
    expect(legs.get_by_role('row')).to_have_count(6)
    expect(page.locator('[data-mark=gate]').first).to_be_visible()
    before = legs.get_by_role('row', name='Base').inner_text()
    page.get_by_label('Its speed: more').click()
    page.get_by_label('Its speed', exact=True).fill('25')
    page.get_by_label('Its speed', exact=True).press('Enter')
    expect(page.get_by_text('25 kt, given')).to_be_visible()
    assert legs.get_by_role('row', name='Base').inner_text() != before
    page.get_by_role('button', name='As it was').click()
    expect(page.get_by_text('estimated from the wind at the ground')).to_be_visible()
    page.get_by_role('radio', name='Right').click()
    expect(page.get_by_role('heading', name='Right pattern, runway 05')).to_be_visible()
    page.get_by_role('button', name='Keep').click()
    expect(page.get_by_role('button', name='Keep')).to_be_hidden()
    page.reload()
    expect(page.get_by_role('heading', name='Right pattern, runway 05')).to_be_visible()
    page.get_by_role('button', name='North up').click()
    expect(page.get_by_role('img', name='north up')).to_be_visible()
