"""Where things lie on the drawn runway, against the core that measures it."""

import dataclasses

import numpy as np
import pytest
from pydantic import TypeAdapter

from bullseye.core.brief.landing import BriefAnswer, make_brief
from bullseye.core.given.belief import Calibration
from tests.core.making import make_request
from tests.device.node import in_node, values

PAVED = {'length_ft': 5_000, 'displaced_threshold_ft': 0, 'surface': 'asphalt', 'aiming_marks_ft': None}


def test_stripes_are_as_long_and_as_far_apart_as_they_are_painted():
    # FAA AC 150/5340-1, value from memory: 120 ft of stripe, 80 ft of gap
    for length_ft, displaced_ft in [(2_790, 0), (5_000, 400), (8_000, 1_200), (1_500, 0)]:
        runway = PAVED | {'length_ft': length_ft, 'displaced_threshold_ft': displaced_ft}
        (found,) = values('strip/places', [['stripes', runway]])
        assert found
        starts = np.array([one['from'] for one in found])
        assert {one['to'] - one['from'] for one in found} == {120}
        assert set(np.diff(starts)) <= {200}
        # none before the number and none over the far number
        assert starts[0] >= 80
        assert found[-1]['to'] <= length_ft - displaced_ft - 80


@pytest.mark.parametrize('surface', ['grass', 'gravel'])
def test_no_paint_where_nothing_can_be_painted(surface):
    bare = PAVED | {'surface': surface}
    assert values('strip/places', [['stripes', bare], ['hasPaint', bare], ['hasPaint', PAVED]]) == [[], False, True]


def test_aiming_marks_are_drawn_only_where_they_are():
    marked = PAVED | {'aiming_marks_ft': 1_020}
    found = values('strip/places', [['aimingMarks', marked], ['aimingMarks', PAVED]])
    assert found == [{'from': 1_020, 'to': 1_170}, None]


def test_a_displaced_threshold_is_no_landing_distance():
    runway = make_request(runway={'length_ft': 4_000, 'displaced_threshold_ft': 600}).runway
    drawn = PAVED | {'length_ft': 4_000, 'displaced_threshold_ft': 600}
    length_ft, start_ft = values('strip/places', [['landingLength', drawn], ['pavedStart', drawn]])
    assert length_ft == runway.landing_distance_available_ft
    assert start_ft == -600


def test_snapping_and_clamping():
    rng = np.random.default_rng(8)
    asked = [
        (float(value), int(step))
        for value, step in zip(rng.uniform(-400, 4_000, 80), rng.choice([5, 10, 50], 80), strict=True)
    ]
    snapped = values('strip/places', [['snap', value, step] for value, step in asked])
    for (value, step), found in zip(asked, snapped, strict=True):
        assert found % step == 0
        assert abs(found - value) <= step / 2
    held = values('strip/places', [['clamp', value, -100, 900] for value, _ in asked])
    assert held == pytest.approx(list(np.clip([value for value, _ in asked], -100, 900)))


def test_the_window_shows_the_spot_and_never_more_than_the_runway():
    rng = np.random.default_rng(9)
    asked = []
    for _ in range(150):
        length_ft, displaced_ft = int(rng.integers(1_500, 9_000)), int(rng.choice([0, 0, 350, 900]))
        runway = PAVED | {'length_ft': length_ft, 'displaced_threshold_ft': displaced_ft}
        spot_ft = float(rng.uniform(0, length_ft - displaced_ft - 200))
        asked.append((runway, spot_ft, float(rng.choice([340, 700, 1_200])), float(rng.choice([1, 2.5, 5]))))
    windows = values('strip/places', [['windowAround', *one] for one in asked])
    for (runway, spot_ft, width, feet_per_pixel), shown in zip(asked, windows, strict=True):
        assert shown['from'] <= spot_ft <= shown['to']
        assert shown['from'] >= -runway['displaced_threshold_ft'] - 60
        assert shown['to'] <= runway['length_ft'] - runway['displaced_threshold_ft'] + 40
        whole_ft = runway['length_ft'] + 100
        assert shown['to'] - shown['from'] == pytest.approx(min(whole_ft, width * feet_per_pixel))


@pytest.mark.parametrize('landing', ['normal', 'short_field', 'power_off'])
@pytest.mark.parametrize('feet', [-200.0, -10.0, 130.0, 400.0])
def test_dragging_the_spot_draws_what_the_server_will_answer(landing, feet):
    request = make_request(
        landing=landing,
        standard='us_commercial',
        weather={'wind_kt': 9, 'gust_kt': 15},
        spot_ft=900,
    )
    request = dataclasses.replace(request, calibration=Calibration(bias_ft=120.0, scatter_ft=90.0, laps=5))
    before, after = make_brief(request), make_brief(dataclasses.replace(request, spot_ft=900 + feet))
    names = ('spot_ft', 'target_ft', 'box_ft', 'aim_point_ft', 'recommended_aim_point_ft', 'best_aim_point_ft')
    names += ('roundout_start_ft', 'hold_off_start_ft', 'predicted_touchdown_ft', 'predicted_band_ft', 'hit_chance')
    as_drawn = {part: dataclasses.asdict(getattr(before, part)) for part in ('aim', 'touchdown', 'ground')}
    as_drawn['aim']['aim_problems'] = []
    (moved,) = values('strip/places', [['movedBy', as_drawn, feet]])
    drawn, answered = (
        moved['aim'] | moved['touchdown'],
        {**dataclasses.asdict(after.aim), **dataclasses.asdict(after.touchdown)},
    )
    for name in names:
        assert drawn[name] == pytest.approx(answered[name], abs=1e-6), name


def test_not_dragged_is_not_changed():
    brief = {'aim': {'spot_ft': 600}, 'anything': ['else']}
    assert values('strip/places', [['movedBy', brief, 0]]) == [brief]


def test_a_spot_moved_without_the_server_is_good_only_where_the_server_would_say_so():
    for changes in ({}, {'runway': {'length_ft': 1_900}}, {'weather': {'wind_kt': 12, 'gust_kt': 17}}):
        asked = make_request(**changes)
        drawn = TypeAdapter(BriefAnswer).dump_python(make_brief(asked), mode='json')
        feet = [-450, -300, -150, -60, 40, 200, 400]
        moved = values('strip/places', [['movedBy', drawn, by] for by in feet])
        for by, found in zip(feet, moved, strict=True):
            spot_ft = asked.spot_ft + by
            if spot_ft < 0:
                continue
            truth = make_brief(dataclasses.replace(asked, spot_ft=spot_ft)).aim.aim_is_good
            assert found['aim']['aim_is_good'] == truth, (changes, by)


def test_nothing_of_what_was_drawn_is_written_into():
    same = in_node(
        """
        const { movedBy } = load('strip/places')
        const brief = { aim: { spot_ft: 1, target_ft: 1, box_ft: [1, 2], aim_point_ft: 1, recommended_aim_point_ft: 1,
                               best_aim_point_ft: 1 },
                        ground: { roll_point_ft: null, climb_point_ft: null },
                        touchdown: { roundout_start_ft: 1, hold_off_start_ft: 1, predicted_touchdown_ft: 1,
                                     predicted_band_ft: [1, 2] } }
        const before = JSON.stringify(brief)
        movedBy(brief, 50)
        return JSON.stringify(brief) === before
        """
    )
    assert same
