"""The student's record on the screen: ten seconds before the lesson, the chief's first look, the student at home."""

import re

from playwright.sync_api import BrowserContext, Page, expect

from bullseye.demo import seed
from tests.browser.conftest import Server, signed_in
from tests.browser.test_school import to


def test_an_instructor_sees_where_a_student_stands_and_what_to_fly_and_signs(marta: Page, quiet: list[str]):
    page = marta
    page.get_by_role('link', name='Students').click()
    page.get_by_role('region', name='Every student').get_by_role('link', name='Ines Carvalho').click()
    short = page.get_by_role('region', name='In short')
    expect(short).to_contain_text('Nothing is at standard yet.')
    expect(short).to_contain_text(re.compile('Normal landing needs the most work: [0-9]+ % of landings meet it'))
    expect(short).to_contain_text('Next: Normal landing')
    card = page.get_by_role('article', name='Normal')
    expect(card.get_by_role('img')).to_have_attribute('aria-label', re.compile('12 landings from the spot'))
    private = card.locator('.figure').first.inner_text()
    page.get_by_label('Judged by').select_option(label='US commercial (FAA-S-ACS-7)')
    expect(card.locator('.figure').first).not_to_have_text(private)  # the same laps, a narrower box
    page.get_by_label('Judged by').select_option(index=0)
    page.get_by_role('button', name='Sign Normal landing').click()
    dialog = page.get_by_role('dialog')
    expect(dialog.get_by_role('status')).to_contain_text('Not yet at standard')
    dialog.get_by_label('Your password').fill('wrong')
    dialog.get_by_role('button', name='Sign', exact=True).click()
    expect(dialog.get_by_role('alert')).to_contain_text('nothing was signed')
    dialog.get_by_label('Your password').fill(seed.PASSWORD)
    dialog.get_by_role('button', name='Sign', exact=True).click()
    expect(page.get_by_role('region', name='Signed')).to_contain_text('Marta Kowalczyk')
    page.get_by_role('button', name='Correct it').click()
    expect(dialog).to_contain_text('Normal landing will no longer hold')
    dialog.get_by_label('Why it is corrected').fill('The wrong student')
    dialog.get_by_label('Your password').fill(seed.PASSWORD)
    dialog.get_by_role('button', name='Sign', exact=True).click()
    expect(page.get_by_role('region', name='Signed')).to_contain_text('The wrong student')
    expect(page.get_by_role('button', name='Correct it')).to_have_count(0)
    page.get_by_role('button', name='Introduced').first.click()
    expect(page.get_by_text(re.compile('^introduced, last'))).to_be_visible()
    page.get_by_role('button', name='Undo').click()
    expect(page.get_by_text(re.compile('^introduced, last'))).to_have_count(0)
    page.get_by_role('button', name='Make this sortie for today').click()
    expect(page.get_by_role('status').filter(has_text='No wind has been given yet')).to_be_visible()
    assert all('403' in text for text in quiet)
    quiet.clear()


def test_the_chief_sees_who_stands_where_at_the_first_look(marta: Page):
    page = marta
    page.get_by_role('link', name='Students').click()
    table = page.get_by_role('region', name='Every student')
    expect(table.get_by_role('row')).to_have_count(5)
    expect(table.get_by_role('row', name=re.compile('Owen'))).to_contain_text('too few')
    expect(page.get_by_role('region', name='Where landings miss most')).to_contain_text('Lantern Bay 05')
    page.get_by_label('Find a student').fill('priya')
    expect(table.get_by_role('row')).to_have_count(2)
    to(page, 'Syllabus')
    page.get_by_role('button', name='Move Stalls, power off and in a turn up').click()
    page.get_by_role('button', name='Keep').click()
    expect(page.get_by_role('listitem').first).to_contain_text('Stalls')
    page.get_by_role('button', name='Undo').click()
    expect(page.get_by_role('listitem').first).to_contain_text('Slow flight')


def test_a_student_at_home_does_homework_reads_why_and_writes_the_logbook(page: Page, server: Server, quiet: list[str]):
    page.set_viewport_size({'width': 390, 'height': 844})
    signed_in(page, server)
    page.get_by_role('link', name='Students').click()
    page.get_by_role('region', name='Every student').get_by_role('link', name='Ines Carvalho').click()
    home = page.get_by_role('region', name='Homework')
    home.get_by_role('button', name='Set', exact=True).click()
    home.get_by_label('What to do').fill('Why you land long')
    home.get_by_label('With the page of a fault').select_option(label='Long')
    home.get_by_role('button', name='Set it').click()
    expect(home).to_contain_text('Why you land long')
    page.get_by_role('button', name='Sign out').click()
    page.get_by_role('button', name='Ines Carvalho').click()
    home.get_by_role('button', name='Done').click()  # a student begins at their own page
    expect(home).to_contain_text('done')
    home.get_by_role('link', name='read').click()
    expect(page.locator('#long')).to_contain_text('Going around is always right.')
    expect(page.locator('#long')).to_be_in_viewport()
    to(page, 'Logbook')
    page.get_by_role('region', name='Flown, not in the logbook yet').get_by_role('button').first.click()
    form = page.get_by_role('form', name='The line')
    expect(form.get_by_label('Landings, day')).to_have_value('6')
    expect(form.get_by_label('Block, minutes')).to_have_value('')  # nobody measured it
    form.get_by_label('Block, minutes').fill('55')
    form.get_by_role('button', name='Write it').click()
    expect(page.get_by_role('region', name='Totals')).to_contain_text('0:55')


def test_any_day_is_a_tap_away_and_a_sortie_is_cancelled_copied_and_brought_back(marta: Page):
    page = marta
    today = page.get_by_role('region', name='Today')
    expect(today.get_by_role('listitem')).to_have_count(4)
    today.get_by_role('button', name='More for Ines Carvalho').click()
    page.get_by_role('menuitem', name='Cancel…').click()
    page.get_by_role('button', name='weather').click()
    page.get_by_role('button', name='Cancel the sortie').click()
    expect(today).to_contain_text('Cancelled: weather')
    page.get_by_role('button', name='Undo').click()
    expect(today).not_to_contain_text('Cancelled')
    today.get_by_role('button', name='More for Owen Fairbairn').click()
    page.get_by_role('menuitem', name='Take it away').click()
    expect(today.get_by_role('listitem')).to_have_count(3)
    page.get_by_role('button', name='Undo').click()
    expect(today.get_by_role('listitem')).to_have_count(4)
    page.get_by_role('region', name='Calendar').get_by_role('button', name=re.compile('1 flown')).first.click()
    expect(page).to_have_url(re.compile(r'\?day=20\d\d-\d\d-\d\d'))
    expect(page.get_by_role('listitem').filter(has_text='laps')).to_have_count(1)
    page.get_by_role('radio', name='Cancelled').click()
    expect(page.get_by_role('region', name='Found')).to_contain_text('Nothing found')
    page.get_by_role('button', name='Today', exact=True).click()
    page.reload()
    page.get_by_role('radio', name='Flown').click()
    expect(page.get_by_role('region', name='Found').get_by_role('listitem')).to_have_count(8)


def test_a_row_of_the_debrief_leads_to_the_lap_to_be_corrected(marta: Page):
    page = marta
    page.get_by_role('region', name='Before').get_by_role('link', name='Priya Raman').click()
    change = page.get_by_role('region', name='The one change')
    expect(change.get_by_role('link').first).to_have_attribute('href', re.compile('^/faults#'))
    page.get_by_role('link', name='Correct lap 4').click()
    expect(page.get_by_role('button', name='Lap 4', exact=True)).to_have_attribute('aria-current', 'true')


def test_the_mock_test_the_week_and_every_standard_side_by_side(marta: Page, server: Server):
    page = marta
    page.get_by_role('button', name='Sign out').click()
    page.get_by_role('button', name='Marta Kowalczyk').click()
    page.get_by_role('heading', name='Students').wait_for()  # a chief begins with the school
    page.get_by_role('region', name='Every student').get_by_role('link', name='Priya Raman').click()
    page.get_by_role('button', name='Mock test today').click()
    expect(page.get_by_text('No wind has been given yet.')).to_be_visible()  # asked first: without it no lap has an aim
    page.get_by_label('Wind', exact=True).fill('4')
    page.get_by_role('button', name='Save and brief the landing').click()
    page.get_by_role('link', name='Lap plan').click()
    expect(page.get_by_text('4 laps as ordered by the instructor')).to_be_visible()
    page.get_by_role('button', name='School', exact=True).click()
    page.get_by_role('menuitem', name='The week').click()
    page.get_by_role('heading', name='Week of').wait_for()
    expect(page.get_by_role('listitem').filter(has_text='mock test')).to_contain_text('Priya Raman')
    page.get_by_role('button', name='Week before').click()
    expect(page.get_by_text('flown, ').first).to_be_visible()
    page.goto(f'{server.url}/')
    page.get_by_role('region', name='Before').get_by_role('link', name='Tobias Lund').first.click()
    examined = page.get_by_role('region', name='By every standard')
    expect(examined.get_by_role('row')).to_have_count(10)  # nine standards and the heading
    europe = examined.get_by_role('row', name=re.compile('EASA PPL'))
    expect(europe).to_contain_text('not known')
    examined.get_by_role('button', name='US commercial').click()
    expect(examined).to_contain_text('The examiner and the current edition of the standard decide.')
    to(page, 'Standards')
    page.get_by_role('button', name='EASA PPL').click()
    page.get_by_role('button', name='Copy').click()
    page.get_by_label('Normal and crosswind: how the touchdown is given').select_option(label='From the spot')
    page.get_by_role('button', name='Keep').click()
    expect(page.get_by_role('button', name='EASA PPL, ours', exact=True)).to_be_visible()


def test_what_is_to_be_signed_is_noted_without_a_network_and_signed_with_the_password(
    marta: Page, context: BrowserContext, quiet: list[str]
):
    page = marta
    page.get_by_role('region', name='Before').get_by_role('link', name='Priya Raman').click()
    propose = page.get_by_role('region', name='To be signed')
    propose.wait_for()
    context.set_offline(True)
    propose.get_by_label('What you will sign').fill('Steady in all winds')
    propose.get_by_role('button', name='Note it for signing').click()
    expect(propose.get_by_role('status')).to_contain_text('not signed')
    context.set_offline(False)
    page.get_by_role('link', name='Students').click()
    page.get_by_role('region', name='Every student').get_by_role('link', name='Priya Raman').click()
    noted = page.get_by_role('region', name='Noted for signing')
    expect(noted).to_contain_text('Steady in all winds')
    expect(page.get_by_role('region', name='Signed')).not_to_contain_text('Steady in all winds')
    noted.get_by_role('button', name='Sign it').click()
    dialog = page.get_by_role('dialog')
    dialog.get_by_label('Your password').fill(seed.PASSWORD)
    dialog.get_by_role('button', name='Sign', exact=True).click()
    expect(page.get_by_role('region', name='Signed')).to_contain_text('Steady in all winds')
    expect(noted).to_have_count(0)
    quiet.clear()  # what the browser says of requests without a network
