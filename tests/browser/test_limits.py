"""What the school and an instructor set about people, and what all laps tell of the aircraft."""

import re

from playwright.sync_api import Page, expect

from tests.browser.conftest import Server, open_today, signed_in
from tests.browser.test_school import to


def row_of(page: Page, name: str):
    return page.get_by_role('row').filter(has_text=name)


def test_a_students_own_limit_is_set_and_stands_on_the_landing(marta: Page, quiet: list[str]):
    page = marta
    to(page, 'People')
    limit = row_of(page, 'Ines Carvalho').get_by_role('spinbutton', name='Crosswind limit of Ines')
    expect(limit).to_have_value('6')
    limit.fill('3')
    limit.blur()
    expect(page.get_by_role('button', name='Undo')).to_be_enabled()
    page.reload()
    expect(row_of(page, 'Ines Carvalho').get_by_role('spinbutton', name='Crosswind limit of Ines')).to_have_value('3')
    page.get_by_role('link', name='Bullseye').first.click()
    open_today(page, 'Ines Carvalho')
    expect(page.get_by_text(re.compile(r'(over|above|limit of 3 kt|3 kt)')).first).to_be_visible()


def test_a_limit_that_makes_no_sense_is_refused_and_the_old_one_stays(marta: Page, quiet: list[str]):
    page = marta
    to(page, 'People')
    limit = page.get_by_role('spinbutton', name='School’s crosswind limit')
    before = limit.input_value()
    limit.fill('-4')
    limit.blur()
    expect(page.get_by_role('alert').first).to_contain_text(re.compile(r'0'))  # what would be accepted
    page.reload()
    expect(page.get_by_role('spinbutton', name='School’s crosswind limit')).to_have_value(before)
    quiet.clear()  # the refusal itself, which the browser notes too


def test_an_instructor_sees_the_schools_limits_and_does_not_set_them(page: Page, server: Server, quiet: list[str]):
    signed_in(page, server, name='Elias Brandt')
    to(page, 'People')
    expect(page.get_by_text('The chief instructor sets these')).to_be_visible()
    expect(page.get_by_role('spinbutton', name='School’s crosswind limit')).to_have_count(0)
    roles = page.get_by_label('Role', exact=True).locator('option').all_inner_texts()
    assert roles == ['student']  # only a chief invites instructors


def test_an_invitation_is_a_link_that_is_shown_once(marta: Page, quiet: list[str]):
    page = marta
    to(page, 'People')
    page.get_by_label('Name', exact=True).fill('Ada Quist')
    page.get_by_label('Role', exact=True).select_option('instructor')
    page.get_by_role('button', name='Make the link').click()
    made = page.get_by_role('status').filter(has_text='Send this link to Ada Quist')
    expect(made).to_contain_text(re.compile(r'/join#\S{20,}'))
    page.reload()
    expect(made).to_have_count(0)


def test_the_fleet_shows_how_far_each_aircraft_floats_with_its_interval(looking: Page):
    page = looking
    to(page, 'Fleet')
    lines = page.get_by_role('main').get_by_role('listitem').filter(has_text='laps')
    expect(lines.first).to_contain_text('Marram 160')
    for text in lines.all_inner_texts():
        feet, low, high = (
            int(one.replace(',', '')) for one in re.search(r'([\d,]+)\s*ft\s*([\d,]+) to ([\d,]+)', text).groups()
        )
        assert low < feet < high
        laps, timed = re.search(r'(\d+) laps?, (\d+) timed', text).groups()
        assert int(timed) <= int(laps)
        rate, slow, fast = re.search(r'([\d.]+) ft/s² \(([\d.]+) to ([\d.]+)\)', text).groups()
        assert float(slow) <= float(rate) <= float(fast)


def test_a_student_sees_neither_people_nor_fleet(page: Page, server: Server):
    signed_in(page, server, name='Ines Carvalho')
    page.get_by_role('button', name='School', exact=True).click()
    names = page.get_by_role('menuitem').all_inner_texts()
    assert not {'People', 'Fleet'} & set(names)
    reply = page.request.get(f'{server.url}/api/fleet')
    assert reply.status == 403
