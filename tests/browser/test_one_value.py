"""What stands on more than one page reads the same on all of them, as it is drawn: sorties drawn at random."""

import re
from typing import Any

import numpy as np
from playwright.sync_api import Page, expect

from tests.api.test_one_value import drawn
from tests.browser.conftest import Server

SORTIES = 10
# the large figures of a page by their labels, the rows of its lists, and the rows of its tables by their first cell
_READ = """() => {
  const text = (one) => (one ? one.innerText.replace(/\\s+/g, ' ').trim() : '')
  const found = {}
  for (const one of document.querySelectorAll('main .panel > .heading')) {
    const [value, note] = [one.nextElementSibling, one.nextElementSibling?.nextElementSibling]
    if (value && one.offsetParent) [found[text(one)], found[`${text(one)} note`]] = [text(value), text(note)]
  }
  for (const one of document.querySelectorAll('main dt')) found[text(one)] = text(one.nextElementSibling)
  for (const row of document.querySelectorAll('main tbody tr')) {
    const cells = [...row.children].map(text)
    found[`row ${cells.slice(0, 2).join(' ').trim()}`] = cells.slice(2).join(' | ')
  }
  return found
}"""


def first(text: str) -> float | None:
    """The first figure of a text as it is drawn; None where there is none."""
    found = re.search(r'[-−]?\d[\d,]*(\.\d+)?', text)
    return float(found[0].replace(',', '').replace('−', '-')) if found else None


def read(page: Page, url: str, heading: str) -> dict[str, str]:
    """What a page says, once it says it."""
    page.goto(url)
    page.get_by_text(heading, exact=True).first.wait_for()
    expect(page.get_by_text('Loading')).to_have_count(0)
    expect(page.get_by_text('The server is asked for this lap.')).to_have_count(0)
    return {key.upper(): value for key, value in page.evaluate(_READ).items()}


def made(page: Page, server: Server) -> list[dict[str, Any]]:
    """Sorties of any kind, place, aircraft and wind, by the page's own session."""
    token = page.request.get(f'{server.url}/api/session').json()['csrf_token']
    there, rng = page.request.get(f'{server.url}/api/catalogue').json(), np.random.default_rng(61)
    students = [one['id'] for one in there['people'] if one['role'] == 'student']
    found: list[dict[str, Any]] = []
    for _ in range(40 * SORTIES):
        asked = drawn(rng, there, students)
        if len(found) % 2:  # what is flown on most days, beside what is not
            asked |= {'wind_kt': 4.0, 'wind_dir_deg_mag': 30.0, 'gust_kt': None, 'spot_ft': 700.0, 'landing': 'normal'}
            asked |= {'runway_end_id': there['airfields'][0]['ends'][0]['id'], 'surface_state': 'dry'}
        reply = page.request.post(f'{server.url}/api/sorties', data=asked, headers={'X-CSRFToken': token})
        if reply.status == 201:  # what cannot be flown is refused
            found.append(reply.json())
        if len(found) == SORTIES:
            return found
    raise AssertionError(len(found))


def test_every_page_of_a_sortie_reads_alike(marta: Page, server: Server):
    good = 0
    for sortie in made(marta, server):
        at = f'{server.url}/sorties/{sortie["id"]}'
        card = read(marta, f'{at}/kneeboard', 'Aim, spot, go around')
        landing = read(marta, f'{at}/landing', 'Fly')
        laps = read(marta, f'{at}/laps', 'Next lap')
        takeoff = read(marta, f'{at}/takeoff', 'Lift-off')
        said = (sortie['landing'], sortie['runway']['ident'], card, landing, laps)
        label = next(key for key in laps if re.fullmatch(r'AIM POINT(, SPOT [\d,]+)?', key))
        aim, of_lap = first(landing['AIM']), first(laps[label])
        good += aim is not None
        assert aim == (None if 'NONE IS GOOD' in card['AIM'] else first(card['AIM'])), said
        if ',' not in label:
            assert of_lap == aim, said
        elif of_lap is not None:  # another spot than the sortie's: that of the first lap of the plan, by the same card
            spot = first(label.removeprefix('AIM POINT, '))
            rows = [value for key, value in card.items() if key.startswith('ROW 1 ')]
            assert [first(rows[0].split(' | ')[at]) for at in (0, 1)] == [spot, of_lap], said
            continue
        assert len({first(landing['FLY']), first(laps['FLY']), first(card['APPROACH'])}) == 1, said
        places = {first(laps['GO AROUND BY']), first(landing['GO AROUND IF NOT DOWN BY'])}
        places |= {None if 'NO PLACE' in card['GO AROUND BY'] else first(card['GO AROUND BY'])}
        assert len(places) == 1, said
        assert first(landing['CHANCE TO HIT THE BOX']) == first(laps['CHANCE TO HIT']), said
        assert first(takeoff['LIFT-OFF']) == first(card['LIFT-OFF']), (takeoff, card)
        margin = re.search(r'([\d,]+) ft (to spare|TOO SHORT)', takeoff['OVER 50 FT NOTE'])
        assert (margin is None) == (card['MARGIN'] == 'unknown'), (takeoff, card)
        if margin:
            assert first(margin[1]) == first(card['MARGIN']), (takeoff, card)
            assert (margin[2] == 'TOO SHORT') == card['MARGIN'].startswith('NONE'), (takeoff, card)
    assert 2 <= good < SORTIES  # of both kinds
