"""German: chosen once, everywhere from then on, with its own way of writing numbers and days."""

import re

from playwright.sync_api import Page, expect


def test_german_is_chosen_and_spoken_on_every_screen(marta: Page):
    marta.get_by_role('link', name='Marta Kowalczyk', exact=True).click()
    marta.get_by_role('radio', name='Deutsch').click()
    expect(marta.get_by_role('heading', name='Ihr Konto')).to_be_visible()
    assert marta.evaluate('document.documentElement.lang') == 'de'
    marta.keyboard.press('t')
    expect(marta.get_by_role('heading', name='Flüge')).to_be_visible()
    marta.reload()
    expect(marta.get_by_role('heading', name='Flüge')).to_be_visible()
    marta.locator('main a[href$="/landing"]').first.click()
    expect(marta.get_by_role('heading', name=re.compile('^Landung: .*Piste'))).to_be_visible()
    expect(marta.get_by_text('Durchstarten, wenn nicht aufgesetzt bis')).to_be_visible()
    expect(marta.get_by_text(re.compile(r'^Gleitweg|Gleitweg \d,\d°')).first).to_be_visible()
    marta.get_by_role('link', name='Marta Kowalczyk', exact=True).click()
    marta.get_by_role('radio', name='English').click()
    expect(marta.get_by_role('heading', name='Your account')).to_be_visible()
