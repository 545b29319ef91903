"""The strip: one drawing to scale, tapped and dragged, on every screen."""

import itertools
import re

import pytest
from playwright.sync_api import Locator, Page, expect

from tests.browser.conftest import open_today


class Scale:
    """Feet to pixels of a strip, read off the ticks it prints."""

    def __init__(self, strip: Locator) -> None:
        ticks = [t for t in strip.locator('text.figure[font-size="13"]').all() if t.text_content().strip()]
        places = [
            (float(t.text_content().replace(',', '').replace('−', '-')), float(t.get_attribute('x'))) for t in ticks
        ]
        (self.feet, self.x), (far, far_x) = places[0], places[-1]
        self.per_ft = (far_x - self.x) / (far - self.feet)

    def __call__(self, feet: float) -> float:
        return self.x + (feet - self.feet) * self.per_ft

    def feet_at(self, x: float) -> float:
        return self.feet + (x - self.x) / self.per_ft


def strip_of(page: Page) -> Locator:
    return page.get_by_role('group', name=re.compile('^Runway 05 from the landing threshold'))


def test_the_paint_is_to_scale(looking: Page):
    open_today(looking, 'Ines Carvalho')
    strip = strip_of(looking)
    at = Scale(strip)
    stripes = list(strip.locator('rect[height="4"]').all())
    starts = [at.feet_at(float(r.get_attribute('x'))) for r in stripes]
    lengths = [float(r.get_attribute('width')) / at.per_ft for r in stripes]
    # [pub] FAA AC 150/5340-1: stripes of 120 ft, gaps of 80 ft
    assert lengths == pytest.approx([120] * len(lengths), abs=1)
    assert [b - a for a, b in itertools.pairwise(starts)] == pytest.approx([200] * (len(starts) - 1), abs=1)
    assert starts[0] == pytest.approx(120, abs=1)
    expect(strip.get_by_text('05', exact=True)).to_have_count(1)


def test_marks_are_told_apart_by_shape_and_lie_where_the_numbers_say(looking: Page):
    open_today(looking, 'Ines Carvalho')
    strip = strip_of(looking)
    at = Scale(strip)
    ring = strip.locator('[data-mark=spot] circle').last
    assert at.feet_at(float(ring.get_attribute('cx'))) == pytest.approx(600, abs=1)
    assert ring.get_attribute('fill') == 'none'  # a ring
    wedge = strip.locator('[data-mark=aim] path').get_attribute('d')
    assert wedge.endswith('Z')  # a closed wedge, pointing at the aim
    aim = float(re.search(r'Aim ([\d,]+)', strip.text_content())[1].replace(',', ''))
    assert at.feet_at(float(re.search(r'L([\d.]+) ', wedge)[1])) == pytest.approx(aim, abs=6)  # printed in tens
    assert strip.locator('[data-mark=gate] rect').count() == 2  # two short bars
    assert strip.locator('[data-mark=band]').get_attribute('fill') == 'url(#expected)'  # hatched


def test_the_ring_follows_the_pointer_without_waiting_for_the_server(looking: Page):
    open_today(looking, 'Ines Carvalho')
    asked: list[str] = []
    looking.on('request', lambda request: asked.append(request.url) if request.url.endswith('/brief') else None)
    strip = strip_of(looking)
    at = Scale(strip)
    box = strip.bounding_box()
    ring = strip.locator('[data-mark=spot] circle').last
    y = box['y'] + 50 + 37
    looking.route('**/brief', lambda route: None)  # the server never answers
    looking.mouse.move(box['x'] + at(600), y)
    looking.mouse.down()
    for feet in (650, 700, 800, 900):
        looking.mouse.move(box['x'] + at(feet), y)
        assert at.feet_at(float(ring.get_attribute('cx'))) == pytest.approx(feet, abs=6)
    looking.mouse.up()
    assert len(asked) == 1  # and questions do not queue up while one is unanswered
    looking.unroute('**/brief')


@pytest.mark.parametrize(('width', 'height'), [(1280, 800), (390, 844)])
def test_a_tap_is_a_place_on_the_runway_to_ten_feet(marta: Page, width, height):
    page = marta
    page.set_viewport_size({'width': width, 'height': height})
    open_today(page, 'Ines Carvalho')
    page.get_by_role('link', name='Laps').click()
    strip = page.get_by_role('application')
    strip.wait_for()
    page.evaluate('document.fonts.ready.then(() => new Promise((done) => requestAnimationFrame(() => done())))')
    at = Scale(strip)
    strip.click(position={'x': at(743), 'y': 50 + 75 - 30})
    expect(page.get_by_text('Touched 740 ft in, +140 ft from the spot')).to_be_visible()
    expect(page.get_by_text('12 ft left of the centreline')).to_be_visible()  # 30 px of 150 for 60 ft
    diamond = page.locator('[data-mark=touch] path')
    assert at.feet_at(float(re.match(r'M([\d.]+) ', diamond.get_attribute('d'))[1])) == pytest.approx(740, abs=1)
    expect(page.get_by_label('Result')).to_contain_text('In the box')


def test_short_of_the_spot_is_short_however_little(marta: Page):
    page = marta
    open_today(page, 'Ines Carvalho')
    page.keyboard.press('5')
    strip = page.get_by_role('application')
    strip.wait_for()
    strip.focus()
    page.keyboard.press('ArrowLeft')
    result = page.get_by_label('Result')
    expect(result).to_contain_text('10 ft short of the box: short is a fail, however small')
    page.keyboard.press('ArrowRight')
    expect(result).to_contain_text('In the box, on the spot')


def test_grass_has_no_paint_and_no_stripes_to_count(marta: Page):
    page = marta
    page.get_by_role('link', name='New sortie').click()
    page.get_by_label('Student').select_option('Ines Carvalho')
    page.get_by_label('Field and runway').select_option(label='Lantern Bay 14: 1,970 ft grass')
    page.get_by_label('Standard').select_option(label='US private (FAA-S-ACS-6)')
    page.get_by_role('radio', name='Normal').click()
    page.get_by_role('button', name='Make the sortie').click()
    expect(page.get_by_role('heading', name='Normal landing, runway 14')).to_be_visible()
    strip = page.get_by_role('group', name=re.compile('^Runway 14'))
    strip.wait_for()
    assert strip.locator('rect[height="4"]').count() == 0
    expect(page.get_by_text('runway widths before the aim')).to_be_visible()
    expect(page.get_by_text('stripe', exact=False)).to_have_count(0)


def test_what_could_hurt_is_said_on_the_screen_where_the_number_is(looking: Page):
    page = looking
    open_today(page, 'Ines Carvalho')
    cautions = page.get_by_label('Cautions')
    expect(cautions).to_have_count(0)
    page.get_by_label('Wind from, magnetic', exact=True).fill('140')
    page.get_by_label('Wind from, magnetic', exact=True).press('Enter')
    page.get_by_label('Wind', exact=True).fill('18')
    page.get_by_label('Wind', exact=True).press('Enter')
    expect(cautions).to_contain_text('over the aircraft limit of 15')
    # with an instructor aboard the limits of students are told, and forbid nothing
    cautions.get_by_role('button', name='more').click()
    for who in ('school limit of 8', 'student limit of 6'):
        expect(cautions).to_contain_text(f'alone the {who}')
    expect(page.get_by_text('✕ aircraft 15 kt')).to_be_visible()
    page.get_by_label('Wind from, magnetic', exact=True).fill('')
    page.get_by_label('Wind from, magnetic', exact=True).press('Enter')
    expect(cautions).to_contain_text('Tailwind 18 kt')  # any direction may be the worst
    expect(page.get_by_text('✕ aircraft 15 kt')).to_be_visible()
    cautions.get_by_role('button', name='more').click()
    expect(cautions).to_contain_text('Variable wind of 18 kt')
    page.get_by_role('button', name='As it was').click()
    page.get_by_role('spinbutton', name='Speed', exact=True).fill('70')
    page.get_by_role('spinbutton', name='Speed', exact=True).press('Enter')
    expect(cautions).to_contain_text('a steady wind adds nothing')
    page.get_by_label('Spot from the threshold', exact=True).fill('100')
    page.get_by_label('Spot from the threshold', exact=True).press('Enter')
    expect(cautions).to_contain_text('short of the landing threshold')


@pytest.mark.parametrize(
    ('student', 'heading', 'box'),
    [
        ('Priya Raman', 'Short-field landing', 'box to 800'),
        ('Owen Fairbairn', 'Power-off 180 landing', 'box to 800'),
        ('Tobias Lund', 'Normal landing', 'box to 1,000'),
    ],
)
def test_each_kind_of_landing_has_its_own_box_and_path(looking: Page, student, heading, box):
    # [pub] FAA-S-ACS-6 short-field 0 to +200 ft, normal 0 to +400; ACS-7 power-off 0 to +200; values from memory
    open_today(looking, student)
    expect(looking.get_by_role('heading', name=f'{heading}, runway')).to_be_visible()
    expect(strip_of(looking).get_by_text(box)).to_be_visible()
    expect(looking.get_by_text('path 7.8°' if student == 'Owen Fairbairn' else 'path 3.0°')).to_be_visible()
