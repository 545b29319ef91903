"""Every quantity that stands in more than one place has one value: screens, card, paper, tablet, list, command line."""

import io
import json
import re
import uuid
from datetime import timedelta
from typing import Any

import numpy as np
import pytest
from pypdf import PdfReader

from bullseye.cli import brief_from_json
from bullseye.core.basis.kinds import LandingKind
from tests.api.conftest import Browser
from tests.api.test_days import TODAY
from tests.device.node import values

SORTIES = 200
KINDS: tuple[LandingKind, ...] = (
    *('normal', 'normal', 'crosswind', 'short_field', 'soft_field', 'power_off', 'no_flap', 'forward_slip'),
    *('three_point', 'wheel_landing'),
)


def number(text: str) -> float:
    """The first figure of a line."""
    found = re.search(r'-?\d[\d,]*(\.\d+)?', text)
    assert found, text
    return float(found[0].replace(',', ''))


def lines(card: dict[str, Any], part: str) -> dict[str, str]:
    return {one['label']: one['value'] for one in card[part]}


def drawn(rng: np.random.Generator, there: dict[str, Any], students: list[int]) -> dict[str, Any]:
    """A sortie of any kind, place, aircraft, weight and wind; some have no wind."""
    aircraft = there['aircraft'][rng.integers(len(there['aircraft']))]
    field = there['airfields'][rng.integers(len(there['airfields']))]
    end = field['ends'][rng.integers(len(field['ends']))]
    spec = aircraft['spec']
    has_tailwheel = spec['particulars']['undercarriage'] == 'tailwheel'
    kinds = [one for one in KINDS if has_tailwheel or one not in ('three_point', 'wheel_landing')]
    # most of the other standards say nothing about where the wheels should touch, and are refused
    standards = [one for one in there['standards'] if one['name'].startswith('US ')]
    wind_kt = float(rng.integers(0, 24))
    wind: dict[str, Any] = {}
    if rng.random() < 0.9:
        wind = {'wind_kt': wind_kt, 'wind_dir_deg_mag': float(rng.integers(1, 37) * 10)}
        wind |= {'gust_kt': wind_kt + float(rng.integers(2, 15))} if rng.random() < 0.4 else {}
    return {
        'student_id': students[rng.integers(len(students))],
        'aircraft_id': aircraft['id'],
        'runway_end_id': end['id'],
        'standard_id': standards[rng.integers(len(standards))]['id'],
        'landing': kinds[rng.integers(len(kinds))],
        'weight_lb': float(round(rng.uniform(spec['empty_weight_lb'] + 150, spec['max_weight_lb']), -1)),
        'spot_ft': float(round(end['spec']['length_ft'] * rng.uniform(0.1, 0.6), -1)),
        'temperature_c': float(rng.integers(-8, 34)),
        'qnh_hpa': float(rng.integers(985, 1_032)),
        'surface_state': ['dry', 'dry', 'dry', 'wet'][rng.integers(4)],
        'takeoff': ['normal', 'short_field', 'crosswind'][rng.integers(3)],
        'planned_on': str(TODAY + timedelta(days=int(rng.integers(0, 12)))),
        **wind,
    }


def shown(marta: Browser, sortie: dict[str, Any], *, is_aboard: bool) -> dict[str, Any]:
    """What the screens of a sortie are told, some of it as a tablet takes it along."""
    path = f'/api/sorties/{sortie["id"]}'
    asked = {
        'sortie': sortie,
        'brief': marta.call('POST', f'{path}/brief', {}),
        'plan': marta.call('POST', f'{path}/plan', {}),
        **marta.get(f'{path}/kneeboard'),
    }
    if not is_aboard:
        return asked
    taken = marta.get(f'{path}/aboard')
    assert taken['sortie'] == marta.get(path)
    for name, value in asked.items():
        assert name == 'sortie' or taken[name] == value, name
    return taken


@pytest.fixture
def aboard(marta: Browser) -> list[dict[str, Any]]:
    """Sorties with everything that a tablet takes along of them."""
    rng, there = np.random.default_rng(2_028), marta.get('/api/catalogue')
    students = [one['id'] for one in there['people'] if one['role'] == 'student']
    found: list[dict[str, Any]] = []
    for _ in range(6 * SORTIES):
        reply = marta.client.post(
            '/api/sorties', json=drawn(rng, there, students), headers={'X-CSRFToken': marta.token}
        )
        if reply.status_code == 201:  # what cannot be flown is refused
            found.append(shown(marta, reply.get_json(), is_aboard=len(found) % 8 == 0))
        if len(found) == SORTIES:
            return found
    raise AssertionError(len(found))


def same(*told: float | None, within: float = 1e-6) -> None:
    """The same figure in every place, and unknown in all or in none."""
    assert len({one is None for one in told}) == 1, told
    known = [one for one in told if one is not None]
    assert not known or max(known) - min(known) <= within, told


def check_points(data: dict[str, Any]) -> None:
    """The landing against the card."""
    brief, card = data['brief']['brief'], data['kneeboard']
    points = lines(card, 'points')
    aim, ground = brief['aim'], brief['ground']
    same(number(points['Spot']), aim['spot_ft'], data['sortie']['spot_ft'], within=5)
    if aim['aim_is_good']:
        same(number(points['Aim']), aim['aim_point_ft'], within=5.01)
    else:
        assert 'NONE IS GOOD' in points['Aim']
    if ground['go_around_point_ft'] >= 0:
        same(number(points['Go around by']), ground['go_around_point_ft'], within=5.01)
    else:
        assert 'NO PLACE' in points['Go around by']
    fpm = brief['speed']['descent_rate_fpm']
    assert (fpm is None) == (points['Descent'] == 'unknown') == (not brief['wind']['is_known'])
    if fpm is not None:
        same(number(points['Descent']), fpm, within=5.01)
    graves = {one['words'] for one in brief['cautions'] if one['severity'] == 'stop'}
    assert graves <= {one['words'] for one in card['cautions'] if one['severity'] == 'stop'}


def check_speeds(data: dict[str, Any]) -> None:
    """Speeds and takeoff against the card."""
    brief, plan, card = data['brief']['brief'], data['plan']['plan'], data['kneeboard']
    points, speeds, takeoff = lines(card, 'points'), lines(card, 'speeds'), lines(card, 'takeoff')
    ground, power_off = brief['ground'], plan['power_off']
    approach = brief['speed']
    same(number(speeds['Approach']), approach['approach_speed_kias'], within=0.51)
    assert speeds['Approach'].endswith(f'flap {approach["flap"]}')
    if power_off is not None:
        same(number(speeds['Best glide']), power_off['glide_kias'], within=0.51)
    margin = plan['takeoff']['over_50_margin_ft']
    assert (margin is None) == (takeoff['Margin'] == 'unknown')
    if margin is not None and margin >= 0:
        assert 0 <= margin - number(takeoff['Margin']) < 10  # never more than there is
    if not brief['wind']['is_known']:
        assert margin is None
        assert ground['landing_margin']['margin_ft'] is None
        assert 'NOBODY' in points['Wind']


def check_pattern(data: dict[str, Any]) -> None:
    """Pattern and glide against landing and card."""
    brief, plan, card = data['brief']['brief'], data['plan']['plan'], data['kneeboard']
    approach, power_off, pattern = brief['speed'], plan['power_off'], plan['pattern']
    headings, gates = lines(card, 'headings'), lines(card, 'gates')
    if pattern is not None:
        legs = {one['leg']: one for one in pattern['legs']}
        same(legs['final']['kias'], approach['approach_speed_kias'])
        assert legs['final']['flap'] == approach['flap']
        if brief['wind']['is_known']:
            same(legs['final']['groundspeed_kt'], approach['approach_groundspeed_kt'], within=0.01)
        if data['sortie']['landing'] == 'power_off':
            assert not {'Base', 'Final'} & headings.keys()  # the legs of a glide are not those of power
            if power_off is not None:
                elevation_ft = data['sortie']['runway']['elevation_ft']
                same(number(gates['on final']), power_off['height_on_final_ft'] + elevation_ft, within=5.01)
                same(number(headings['Glide']), power_off['glide_kias'], within=0.51)
        else:
            same(number(headings['Final'].split('°')[1]), approach['approach_speed_kias'], within=0.51)
            for gate in pattern['gates']:
                same(number(gates[gate['name']]), gate['altitude_ft'], within=5.01)


def check_ranking(data: dict[str, Any]) -> None:
    """The chosen end in the ranking, and the lap plan, against the landing and takeoff."""
    brief, plan, sortie = data['brief']['brief'], data['plan']['plan'], data['sortie']
    end = next(one for one in plan['runway_ranking'] if one['ident'] == sortie['runway']['ident'])
    same(end['landing_margin_ft'], brief['ground']['landing_margin']['margin_ft'])
    same(end['takeoff_margin_ft'], plan['takeoff']['over_50_margin_ft'])
    same(end['headwind_kt'], brief['wind']['headwind_kt'])
    same(end['crosswind_kt'], brief['wind']['crosswind_kt'])
    if not brief['wind']['is_known']:
        assert end['within_limits'] is not True
    over = {one['name'].removesuffix(' crosswind limit') for one in end['reasons'] if one['over_limit']}
    for limit in brief['wind']['crosswind_limits']:
        assert (limit['within'] is False and limit['binds']) == (limit['name'] in over)
    stops = [one for one in plan['takeoff']['cautions'] if one['severity'] == 'stop']
    laps = plan['lap_plan']['laps']
    for lap in laps:
        assert lap['problem'] is None or 'NOT GOOD' in json.dumps(data['kneeboard']['laps'])
        if lap['kind'] == sortie['landing'] and lap['spot_ft'] == sortie['spot_ft']:
            same(lap['aim_point_ft'], brief['aim']['aim_point_ft'])
            same(lap['go_around_point_ft'], brief['ground']['go_around_point_ft'])
    if stops or not brief['wind']['is_known']:
        assert not laps


def check_kinds(data: dict[str, Any]) -> None:
    """The laps of the plan, each against the brief of its kind: what the pilot's laps teach of that kind."""
    for lap in data['plan']['plan']['lap_plan']['laps']:
        of_kind = data['briefs'].get(lap['kind'])
        if of_kind is None or lap['spot_ft'] is None:
            continue
        same(lap['approach_kias'], of_kind['speed']['approach_speed_kias'])
        same(lap['go_around_point_ft'], of_kind['ground']['go_around_point_ft'])
        assert lap['flap'] == of_kind['speed']['flap']
        if lap['aim_point_ft'] is not None and of_kind['aim']['aim_is_good']:
            from_spot_ft = of_kind['aim']['aim_point_ft'] - of_kind['aim']['spot_ft']
            same(lap['aim_point_ft'] - lap['spot_ft'], from_spot_ft, within=0.01)


def check_tablet(data: dict[str, Any]) -> list[Any]:
    """What the device says of its own table, to be compared with the brief."""
    sortie, brief = data['sortie'], data['brief']['brief']
    table = data['answers'][sortie['landing']]
    same(table['briefed_speed_kias'], brief['speed']['approach_speed_kias'])
    same(table['briefed_aim_ft'], brief['aim']['aim_point_ft'])
    same(table['briefed_headwind_kt'], brief['wind']['headwind_kt'] or 0.0)
    same(table['spot_ft'] + table['box_minus_spot_ft'][1], brief['aim']['box_ft'][1])
    assert table['wind_is_known'] == brief['wind']['is_known']
    assert data['briefs'][sortie['landing']] == brief
    check_kinds(data)
    return ['briefNow', brief, table, [], sortie['spot_ft'], None, None]


def check_sheets(aboard: list[dict[str, Any]]) -> None:
    """Every sheet of every sortie, and the device's own answer."""
    calls = []
    for data in aboard:
        check_points(data)
        check_speeds(data)
        check_pattern(data)
        check_ranking(data)
        if 'answers' in data:
            calls.append(check_tablet(data))
    taken = [one for one in aboard if 'answers' in one]
    for data, here in zip(taken, values('offline/briefed', calls), strict=True):
        brief = data['brief']['brief']
        for part, names in (
            ('aim', ('aim_point_ft', 'aim_is_good', 'spot_ft')),
            ('ground', ('go_around_point_ft', 'roll_point_ft', 'climb_point_ft')),
            ('speed', ('approach_speed_kias', 'flap', 'descent_rate_fpm')),
            ('wind', ('headwind_kt', 'crosswind_kt')),
        ):
            for name in names:
                told, here_told = brief[part][name], here[part][name]
                if isinstance(told, float):
                    same(here_told, told, within=1e-6)
                else:
                    assert here_told == told, (name, data['sortie'], here['cautions'], brief['cautions'])
        same(here['touchdown']['predicted_touchdown_ft'], brief['touchdown']['predicted_touchdown_ft'], within=12)
    known = [one for one in aboard if one['brief']['brief']['wind']['is_known']]
    assert 0.8 * SORTIES < len(known) < SORTIES
    assert sum(one['brief']['brief']['aim']['aim_is_good'] for one in aboard) > SORTIES / 8


def check_paper(marta: Browser, aboard: list[dict[str, Any]]) -> None:
    """The card on paper, and the command line, against the screen."""
    for data in aboard[::8]:
        reply = marta.client.get(f'/api/sorties/{data["sortie"]["id"]}/kneeboard-a5.pdf')
        text = ' '.join(PdfReader(io.BytesIO(reply.get_data())).pages[0].extract_text().split())
        letters = re.sub(r'[^0-9A-Za-z]', '', text)
        for part in ('points', 'speeds', 'takeoff'):
            for label, value in lines(data['kneeboard'], part).items():
                if '–' not in value:
                    assert re.sub(r'[^0-9A-Za-z]', '', value) in letters, (label, value)
    # of the command line by the same request, which a brief holds all of but runway and aircraft
    there = marta.get('/api/catalogue')
    for data in [one for one in aboard if one['brief']['brief']['wind']['is_known']][::8]:
        sortie, brief = data['sortie'], data['brief']['brief']
        by_id = {
            name: {one['id']: one['spec'] for one in there[name]} for name in ('aircraft', 'standards', 'techniques')
        }
        weather = {
            name: sortie[name] for name in ('wind_kt', 'gust_kt', 'temperature_c', 'qnh_hpa', 'wind_dir_deg_true')
        }
        asked = {
            'aircraft': by_id['aircraft'][sortie['aircraft']['id']],
            'runway': sortie['runway'],
            'standard': by_id['standards'][sortie['standard']['id']],
            'technique': by_id['techniques'][sortie['technique']['id']],
            'weather': weather,
            'calibration': brief['basis']['calibration'],
            'school_crosswind_limit_kt': next(
                (one['limit_kt'] for one in brief['wind']['crosswind_limits'] if one['name'] == 'school'), None
            ),
            **{name: sortie[name] for name in ('weight_lb', 'landing', 'spot_ft', 'flap', 'surface_state')},
        }
        answer = brief_from_json(json.dumps(asked))
        same(answer['approach_speed_kias'], brief['speed']['approach_speed_kias'])
        same(answer['aim_point_ft'], brief['aim']['aim_point_ft'], within=0.01)
        same(answer['go_around_point_ft'], brief['ground']['go_around_point_ft'], within=0.01)
        same(answer['landing_margin']['margin_ft'], brief['ground']['landing_margin']['margin_ft'], within=0.01)


def check_laps(marta: Browser, aboard: list[dict[str, Any]]) -> None:
    """Laps, debrief, record, list and tablet count alike."""
    rng = np.random.default_rng(29)
    flown = 0
    for data in [one for one in aboard if 'answers' in one and one['brief']['brief']['wind']['is_known']]:
        sortie, brief = data['sortie'], data['brief']['brief']
        path = f'/api/sorties/{sortie["id"]}'
        sent = []
        for at in range(4):
            along = float(round(sortie['spot_ft'] + rng.normal(150, 160)))
            aim = {'aim_point_ft': brief['aim']['aim_point_ft']}
            seen = {'outcome': 'touch_and_go', 'along_ft': along, 'threshold_speed_kias': 61.0, **aim}
            if at == 1:
                seen |= {'along_ft': None}  # landed, and nobody saw where
            if at == 3:
                seen = {'outcome': 'go_around'}
            sent.append((str(uuid.uuid4()), seen))
        marta.send_laps(sortie['id'], *sent)
        found = marta.get(f'{path}/laps')
        laps, summary = found['laps'], found['summary']
        known = [one for one in laps if one['score']['hit'] is not None]
        assert (summary['hits'], summary['measured']) == (sum(one['score']['hit'] for one in known), len(known))
        assert (summary['landings'], summary['go_arounds']) == (3, 1)
        line = next(
            one
            for one in marta.get(
                f'/api/sorties?first_day={sortie["planned_on"]}&last_day={sortie["planned_on"]}&most=60'
            )['sorties']
            if one['id'] == sortie['id']
        )
        assert line['laps'] == len(laps)
        row = next(
            one
            for one in marta.get(f'/api/students/{sortie["student"]["id"]}/timeline')['lines']
            if one['sortie_id'] == sortie['id']
        )
        assert (row['hits'], row['measured'], row['landings']) == (summary['hits'], summary['measured'], 3)
        same(row['mean_error_ft'], summary['mean_error_ft'])
        asked = []
        for lap in laps:
            accuracy = next((one for one in lap['score']['criteria'] if one['name'] == 'accuracy'), None)
            if lap['along_ft'] is None or accuracy is None:
                continue
            same(accuracy['value'], lap['along_ft'] - lap['spot_ft'])
            same(lap['diagnosis']['error_ft'], lap['along_ft'] - lap['target_ft'])
            same(
                sum(part['feet'] or 0.0 for part in lap['diagnosis']['parts']),
                lap['diagnosis']['error_ft'],
                within=0.01,
            )
            seen = {'along_ft': lap['along_ft'], 'aim_ft': lap['aim_point_ft'], 'excluded': False}
            seen |= {'threshold_speed_kias': lap['threshold_speed_kias'], 'headwind_kt': None}
            asked.append(
                (lap, ['lapOnDevice', data['answers'][sortie['landing']], seen, lap['spot_ft'], lap['aim_point_ft']])
            )
        for (lap, _), here in zip(asked, values('offline/answers', [one for _, one in asked]), strict=True):
            same(here['error_ft'], lap['diagnosis']['error_ft'])
            assert here['hit'] == lap['score']['hit']
            flown += 1
        # after the laps, which hold the next aim within a step of theirs
        check_kinds(marta.get(f'{path}/aboard'))
    assert flown > 30


def test_what_stands_twice_of_200_sorties_is_the_same(marta: Browser, aboard: list[dict[str, Any]]):
    check_sheets(aboard)
    check_paper(marta, aboard)
    check_laps(marta, aboard)
