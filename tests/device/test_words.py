"""Numbers and choices as the screens say them, against the core's own words for the same things."""

import re
from datetime import UTC, date, datetime, timedelta
from typing import get_args

import numpy as np
import pytest

from bullseye.core.basis import kinds
from bullseye.core.basis.sentence import lacking, to_spare
from bullseye.core.brief.kneeboard import _heading
from bullseye.core.given.airfield import in_stripes
from tests.device.node import in_node, values


def test_a_whole_number_has_its_thousands_apart_and_a_true_minus():
    asked = [0, 1, -0.4, 0.5, 999.6, 1_000, 12_345.4, -1_234.9, None]
    shown = values('words', [['round', value] for value in asked])
    # common practice, no source: thousands apart, and never a minus before nothing
    assert shown == ['0', '1', '0', '1', '1,000', '1,000', '12,345', '−1,235', '–']
    assert '-' not in ''.join(shown)


@pytest.mark.parametrize('step', [5, 10, 25, 50])
def test_a_number_is_rounded_to_a_step(step):
    rng = np.random.default_rng(step)
    asked = [float(value) for value in rng.uniform(-3_000, 9_000, 60)]
    shown = values('words', [['round', value, step] for value in asked])
    for value, words in zip(asked, shown, strict=True):
        number = int(words.replace(',', '').replace('−', '-'))
        assert number % step == 0
        assert abs(number - value) <= step / 2 + 1e-9


def test_a_signed_number_says_plus_only_where_there_is_something():
    asked = [[140.2], [-140.2], [0.0], [0.3], [-0.3], [4, 10], [6, 10], [-6, 10], [None]]
    shown = values('words', [['signed', *one] for one in asked])
    assert shown == ['+140', '−140', '0', '0', '0', '0', '+10', '−10', '–']


def amount_of(words: str) -> float:
    """Stripes that are said: ``1½ stripes`` is 1.5."""
    if words.startswith('less'):
        return 0.0
    found = re.match(r'(one|\d*)([¼½¾]?) stripe', words)
    assert found, words
    whole = {'one': 1.0, '': 0.0}.get(found[1], float(found[1]) if found[1].isdigit() else 0.0)
    return whole + {'': 0.0, '¼': 0.25, '½': 0.5, '¾': 0.75}[found[2]]


def test_a_distance_in_paint_is_said_alike_on_the_device_and_by_the_server():
    # FAA AC 150/5340-1, value from memory: 120 ft of stripe and 80 ft of gap
    feet = [float(ft) for ft in range(0, 3_000, 7) if ft % 25]  # a tie may go either way
    for ft, shown in zip(feet, values('words', [['stripesWords', one] for one in feet]), strict=True):
        said = str(in_stripes(ft))
        amount = 0.0 if said.startswith('less') else amount_of(re.sub(r'^1 ', 'one ', said).replace(' and gap', ''))
        assert amount_of(shown) == amount
        assert abs(amount_of(shown) * 200 - ft) <= 25
        assert ('stripes' in shown) == (amount > 1)


def test_a_distance_before_and_beyond_is_the_same_paint():
    both = values('words', [['stripesWords', 430], ['stripesWords', -430]])
    assert both[0] == both[1] == '2¼ stripes'


def test_a_direction_has_three_figures_and_north_is_360():
    asked = [0, 0.4, 359.6, 360, 5, 45.5, 180, 299.4]
    shown = values('words', [['direction', deg] for deg in asked])
    assert shown == ['360', '360', '360', '360', '005', '046', '180', '299']  # AIM 4-2-10, value from memory
    whole = [float(deg) for deg in range(361)]
    for deg, words in zip(whole, values('words', [['direction', deg] for deg in whole]), strict=True):
        assert f'{words}°' == _heading(deg)
    assert values('words', [['direction', None]]) == ['variable']


@pytest.mark.parametrize(
    ('wind', 'words'),
    [
        ((70, 9, 14), '070° 9 gust 14 kt'),
        ((70, 9, None), '070° 9 kt'),
        ((None, 4, None), 'variable 4 kt'),
        ((None, 4, 12), 'variable 4 gust 12 kt'),
        ((120, 0, None), 'calm'),
        ((0, 12, None), '360° 12 kt'),
    ],
)
def test_wind_in_words(wind, words):
    asked = dict(zip(('wind_dir_deg_mag', 'wind_kt', 'gust_kt'), wind, strict=True))
    assert values('words', [['windWords', asked]]) == [words]


def test_days_and_hours_are_those_of_the_calendar():
    first = date(2026, 1, 1)
    days = [first + timedelta(days=31 * i) for i in range(24)]
    shown = values('words', [['day', one.isoformat()] for one in days])
    for one, words in zip(days, shown, strict=True):
        assert words.replace(',', '') == f'{one:%a} {one.day} {one:%b}'.replace('Sep', 'Sept')
    moments = [datetime(2026, 3, 29, 0, 59, 59, tzinfo=UTC) + timedelta(minutes=37 * i) for i in range(20)]
    hours = values('words', [['clock', one.isoformat()] for one in moments])
    assert hours == [f'{one:%H:%M} UTC' for one in moments]
    assert values('words', [['clock', '2026-11-26T14:03:00+02:00', '']]) == ['12:03']


def test_every_choice_of_the_core_has_its_label_and_no_other():
    labels = in_node(
        """
        const { LANDING_LABEL, EXERCISE_LABEL, TAKEOFF_LABEL, OUTCOME_LABEL, NOT_LANDED } = load('words')
        const { MARK_LABEL, MARKS, STATES, EXCLUDED_LABEL } = load('marks')
        return { landing: LANDING_LABEL, exercise: EXERCISE_LABEL, takeoff: TAKEOFF_LABEL, outcome: OUTCOME_LABEL,
                 mark: MARK_LABEL, excluded: EXCLUDED_LABEL, not_landed: [...NOT_LANDED], by_state: MARKS,
                 states: STATES.map((one) => one.value) }
        """
    )
    of_core = {
        'landing': kinds.LandingKind,
        'exercise': kinds.ExerciseKind,
        'takeoff': kinds.TakeoffKind,
        'outcome': kinds.Outcome,
        'mark': kinds.LapMark,
        'excluded': kinds.Excluded,
    }
    for name, kind in of_core.items():
        known = set(labels[name])
        members = {member for one in get_args(kind) for member in (get_args(one) or (one,))}
        assert known == members, name
        assert all(label and label[0].isupper() for label in labels[name].values())
    assert set(labels['not_landed']) == set(kinds.NOT_LANDED)
    # every mark is asked for in one part of the lap, so that it is found in one place
    asked = [mark for state in labels['states'] for mark in labels['by_state'][state]]
    assert sorted(asked) == sorted(labels['mark'])


def test_the_steps_of_a_lesson_have_their_keys_in_order():
    steps = in_node("return load('steps').STEPS")
    assert [one['key'] for one in steps] == ['1', '2', '3', '4', '5', '6']
    assert [one['name'] for one in steps] == ['prepare', 'takeoff', 'pattern', 'landing', 'laps', 'debrief']
    assert all(one['label'].lower() == one['name'] for one in steps)


def test_a_standard_without_a_task_does_not_offer_it():
    whole = {'normal': {}, 'short_field': {}, 'power_off': None}
    kinds_asked = ['normal', 'crosswind', 'soft_field', 'no_flap', 'forward_slip', 'short_field', 'power_off']
    judged = values('words', [['examines', whole, kind] for kind in kinds_asked])
    assert judged == [True, True, True, True, True, True, False]


def test_what_two_versions_differ_in_is_listed_member_by_member():
    theirs = {'name': 'A', 'flaps': [{'stall_kcas': 44.0}, {'stall_kcas': None}], 'same': [1, 2], 'gone': 3}
    mine = {'name': 'B', 'flaps': [{'stall_kcas': 45.0}, {'stall_kcas': None}], 'same': [1, 2], 'more': ''}
    (found,) = values('differences', [['differences', theirs, mine]])
    assert found == [
        {'what': 'name', 'theirs': 'A', 'mine': 'B'},
        {'what': 'flaps, 1, stall kcas', 'theirs': '44', 'mine': '45'},
        {'what': 'gone', 'theirs': '3', 'mine': 'nothing'},
    ]
    assert values('differences', [['differences', theirs, theirs]]) == [[]]


def test_a_margin_is_rounded_to_the_safe_side_as_the_core_does():
    rng = np.random.default_rng(9)
    left = [0.0, 0.4, 9.9, 99.6, 100.0, 100.1, 109.9, *map(float, rng.uniform(0, 3_000, 40))]
    short = [-0.2, -9.9, -10.0, -10.1, *map(float, rng.uniform(-2_000, 0, 40))]
    assert values('words', [['toSpare', one] for one in left]) == [str(to_spare(one)) for one in left]
    assert values('words', [['lacking', one] for one in short]) == [str(lacking(one)) for one in short]
    assert values('words', [['glideMargin', one] for one in (-0.2, 199.9)]) == ['10 ft short of', '190 ft to spare at']
