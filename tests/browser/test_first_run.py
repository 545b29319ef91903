"""A school of one's own: the code of the terminal, the first chief, and an invited student."""

from playwright.sync_api import Page, expect

from bullseye.store.database import open_engine, session_maker
from bullseye.store.people import joining


def test_a_real_school_is_made_once_and_people_join_by_link(page: Page, serve, empty_url, quiet):
    engine = open_engine(empty_url)
    with session_maker(engine)() as db:
        code = joining.new_setup_code(db)
    engine.dispose()
    server = serve(empty_url)
    page.goto(f'{server.url}/sorties/new')
    expect(page.get_by_role('heading', name='Set up your school')).to_be_visible()
    page.get_by_label('One-time code').fill('WRONG-CODE')
    page.get_by_label('Name of the school').fill('Sandling Aero')
    page.get_by_label('Your name').fill('Ada Field')
    page.get_by_label('Login').fill('ada')
    page.get_by_label('Password').fill('a long enough one')
    page.get_by_role('button', name='Make the school').click()
    expect(page.get_by_role('alert')).to_contain_text('printed in the terminal')
    quiet.clear()  # the browser logs the refusal
    page.get_by_label('One-time code').fill(code)
    page.get_by_role('button', name='Make the school').click()
    expect(page.get_by_text('Sandling Aero')).to_be_visible()

    page.get_by_role('button', name='School', exact=True).click()
    page.get_by_role('menuitem', name='People').click()
    page.get_by_label('Name', exact=True).fill('Noor Haddad')
    page.get_by_role('button', name='Make the link').click()
    link = page.get_by_role('status').locator('p.figure').inner_text()
    page.get_by_role('button', name='Sign out').click()
    page.goto(link)
    expect(page.get_by_role('heading', name='Welcome, Noor Haddad')).to_be_visible()
    page.get_by_label('Login').fill('noor')
    page.get_by_label('Password').fill('another long one')
    page.get_by_role('button', name='Join').click()
    expect(page.get_by_text('Nothing planned.')).to_be_visible()
    page.get_by_role('button', name='Sign out').click()
    page.goto(link)
    page.reload()
    expect(page.get_by_text('This link does not work any more')).to_be_visible()
    quiet.clear()
