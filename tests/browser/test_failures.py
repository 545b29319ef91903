"""What fails is said where it happened, with what to do, and nothing that was typed or tapped is lost by it."""

import re

from playwright.sync_api import BrowserContext, Page, Route, expect

from tests.browser.conftest import Server, open_today, signed_in
from tests.browser.test_cockpit import recorder, tap
from tests.browser.test_school import to

_KEPT = """async () => {
    const db = await new Promise((done) => { const ask = indexedDB.open('bullseye'); ask.onsuccess = () => done(ask.result) })
    const all = (name) => new Promise((done) => {
        const ask = db.transaction(name).objectStore(name).getAll(); ask.onsuccess = () => done(ask.result) })
    const found = {}
    for (const name of ['aboard', 'steps', 'drafts', 'own']) found[name] = await all(name)
    db.close()
    return found
}"""


def kept(page: Page) -> dict:
    """What the device keeps of a person."""
    found = page.evaluate(_KEPT)
    found['own'] = [one for one in found['own'] if one['key'] == 'session']
    return {name: rows for name, rows in found.items() if rows}


def test_signing_out_without_a_network_ends_it_here_at_once_and_on_the_server_later(
    marta: Page, context: BrowserContext, server: Server, quiet: list[str]
):
    page = marta
    recorder(page)
    tap(page, 900)
    expect(page.get_by_text(re.compile('✓ saved$'))).to_be_visible()
    assert kept(page)
    cookies = context.cookies()
    context.set_offline(True)
    page.get_by_role('button', name='Sign out').click()
    expect(page.get_by_role('heading', name='Sign in', exact=True)).to_be_visible()
    assert not kept(page)  # neither laps nor names
    context.set_offline(False)
    page.reload()
    expect(page.get_by_role('button', name='Marta Kowalczyk')).to_be_visible()  # nobody is signed in
    context.clear_cookies()
    context.add_cookies(cookies)  # whoever had copied the cookie has nothing of it
    assert page.request.get(f'{server.url}/api/catalogue').status == 401
    quiet.clear()  # the browser itself complained of the lost connection


def test_signing_out_right_after_a_tap_leaves_no_copy_that_was_on_its_way(marta: Page, quiet: list[str]):
    page = marta
    recorder(page)
    tap(page, 900)
    expect(page.get_by_text(re.compile('✓ saved$'))).to_be_visible()
    page.get_by_role('button', name='Sign out').click()
    expect(page.get_by_role('heading', name='Sign in', exact=True)).to_be_visible()
    page.wait_for_timeout(2_500)  # the copy would be taken along anew after 1.5 s
    assert not kept(page)


def test_a_form_outlives_a_sign_in_that_ends_meanwhile(marta: Page, context: BrowserContext, quiet: list[str]):
    page = marta
    to(page, 'Hangar')
    page.get_by_role('button', name=re.compile('Marram 160')).first.click()
    page.get_by_label('Name', exact=True).fill('Marram 160, repainted')
    context.clear_cookies()
    page.get_by_role('button', name=re.compile('^(Keep|Save)')).first.click()
    again = page.get_by_role('dialog')
    expect(again).to_contain_text('Your sign-in has ended')
    expect(again).to_contain_text('Marta Kowalczyk')
    again.get_by_role('button', name='Go on as Marta').click()
    expect(again).to_be_hidden()
    expect(page.get_by_label('Name', exact=True)).to_have_value('Marram 160, repainted')
    page.get_by_role('button', name=re.compile('^(Keep|Save)')).first.click()
    expect(page.get_by_text('Marram 160, repainted is kept.')).to_be_visible()
    quiet.clear()  # of the refusal


def test_two_who_have_the_same_open_are_told_and_choose(marta: Page, browser, server: Server, quiet: list[str]):
    page = marta
    other = browser.new_context(service_workers='block').new_page()
    elias = signed_in(other, server, name='Elias')
    for one, name in ((page, 'Marram by Marta'), (elias, 'Marram by Elias')):
        to(one, 'Hangar')
        one.get_by_role('button', name=re.compile('Marram 160')).first.click()
        one.get_by_label('Name', exact=True).fill(name)
    keep = re.compile('^(Keep|Save)')
    page.get_by_role('button', name=keep).first.click()
    expect(page.get_by_text('Marram by Marta is kept.')).to_be_visible()
    elias.get_by_role('button', name=keep).first.click()
    told = elias.get_by_role('alert').filter(has_text='changed by somebody else while you had it open')
    expect(told).to_be_visible()
    expect(told.get_by_role('row').filter(has_text='name')).to_contain_text('Marram by Marta')  # beside his own
    expect(told.get_by_role('row').filter(has_text='name')).to_contain_text('Marram by Elias')
    told.get_by_role('button', name='Go on with theirs').click()
    expect(elias.get_by_label('Name', exact=True)).to_have_value('Marram by Marta')
    elias.get_by_label('Name', exact=True).fill('Marram of both')
    elias.get_by_role('button', name=keep).first.click()
    expect(elias.get_by_text('Marram of both is kept.')).to_be_visible()
    page.get_by_label('Name', exact=True).fill('Marram by Marta again')
    page.get_by_role('button', name=keep).first.click()
    page.get_by_role('button', name='Write mine over theirs').click()
    expect(page.get_by_text('Marram by Marta again is kept.')).to_be_visible()
    other.context.close()
    quiet.clear()


def test_a_screen_that_waits_for_a_slow_network_says_so(marta: Page, quiet: list[str]):
    page = marta
    hanging: list[Route] = []
    page.route('**/api/catalogue', lambda route: hanging.append(route))  # noqa: PLW0108  (as playwright wants it)
    page.clock.install()
    page.goto(page.url.rstrip('/') + '/sorties/new')
    said = page.get_by_role('status').filter(has_text='Loading')
    said.wait_for()
    expect(said).not_to_contain_text('The network is slow')
    page.clock.run_for(4_500)
    expect(said).to_contain_text('The network is slow: still asking')
    assert hanging
    page.unroute('**/api/catalogue')  # which lets them go
    page.get_by_label('Student').wait_for()
    quiet.clear()


def test_a_request_that_hangs_ends_is_said_and_stops_nothing(marta: Page, quiet: list[str]):
    page = marta
    page.clock.install()
    recorder(page)
    hanging = []
    page.route('**/laps/sent', lambda route: hanging.append(route))  # noqa: PLW0108  (never answered; it is looked into)
    tap(page, 900)
    page.wait_for_function('() => true')

    def tries(number: int) -> None:
        for _ in range(600):
            if len(hanging) >= number:
                return
            page.wait_for_timeout(50)
        raise AssertionError(f'{len(hanging)} tries')

    tries(1)
    page.clock.run_for(21_000)
    # other requests are answered meanwhile, so that it may be said that there is a connection again
    expect(page.get_by_label('This device')).to_contain_text(re.compile('No connection|only on this device'))
    page.clock.run_for(5_000)
    tries(2)  # the first has ended by itself
    page.unroute('**/laps/sent')
    page.clock.run_for(30_000)
    expect(page.get_by_text(re.compile('✓ saved$'))).to_be_visible()  # sent anew, and the others were not held up
    quiet.clear()


def test_a_copy_that_an_older_application_took_along_is_said_to_be_one(marta: Page):
    page = marta
    open_today(page, 'Ines Carvalho')
    lesson = page.get_by_role('navigation', name='Lesson')
    lesson.get_by_role('button', name='Take along').click()
    expect(lesson.get_by_role('button', name=re.compile('✓ On this device'))).to_be_visible()
    page.evaluate("""() => new Promise((done) => {
      const opening = indexedDB.open('bullseye')
      opening.onsuccess = () => {
        const rows = opening.result.transaction('aboard', 'readwrite').objectStore('aboard')
        rows.openCursor().onsuccess = ({ target }) => {
          if (!target.result) return done()
          target.result.update({ ...target.result.value, software: '0.0.1' })
          target.result.continue()
        }
      }
    })""")
    page.reload()
    old = lesson.get_by_role('button', name=re.compile('from an older Bullseye'))
    old.click()
    expect(lesson.get_by_role('button', name=re.compile('✓ On this device'))).to_be_visible()


def test_somebody_is_renamed_and_has_their_name_back(marta: Page):
    page = marta
    to(page, 'People')
    page.get_by_role('button', name='More for Ines Carvalho').click()
    page.get_by_role('menuitem', name='Rename…').click()
    form = page.get_by_role('dialog', name='Rename Ines Carvalho')
    form.get_by_label('New name').fill('Ines Duarte')
    form.get_by_role('button', name='Rename').click()
    expect(form).to_be_hidden()
    expect(page.get_by_role('button', name='More for Ines Duarte')).to_be_visible()
    page.get_by_role('button', name='Undo').click()
    expect(page.get_by_role('button', name='More for Ines Carvalho')).to_be_visible()


def test_a_mistake_of_the_page_is_said_with_what_to_do(looking: Page, quiet: list[str]):
    page = looking
    page.evaluate("() => { void Promise.reject(new Error('odd')) }")
    notice = page.get_by_role('alert')
    expect(notice).to_contain_text('Something went wrong in this page. Reload it. What you noted is kept.')
    expect(notice.get_by_role('button', name='Reload')).to_be_visible()
    notice.get_by_role('button', name='Close').click()
    expect(notice).to_be_hidden()
    quiet.clear()


def test_without_a_network_a_new_sortie_says_so_at_once(looking: Page, context: BrowserContext, quiet: list[str]):
    page = looking
    open_today(page, 'Owen')
    page.go_back()
    context.set_offline(True)
    page.get_by_role('link', name=re.compile('New sortie')).first.click()
    expect(page.get_by_role('alert').first).to_contain_text('No connection', timeout=2_500)
    context.set_offline(False)
    quiet.clear()
