"""Learning on the device, lap after lap: what must hold whatever is tapped. The table comes from the core."""

import dataclasses
import itertools
from typing import Any

import numpy as np
import pytest

from bullseye.core.brief.answers import make_answers
from bullseye.core.brief.landing import make_brief
from tests.core.making import make_request
from tests.device.node import in_node, values


@pytest.fixture(scope='module')
def table() -> dict[str, Any]:
    request = make_request(
        weather={'wind_kt': 8}, spot_ft=700, calibration={'bias_ft': 60.0, 'scatter_ft': 80.0, 'bias_sd_ft': 70.0}
    )
    return dataclasses.asdict(make_answers(request))


def random_laps(rng: np.random.Generator, table: dict[str, Any], count: int) -> list[dict[str, Any]]:
    """Laps as taps leave them: much of each unknown, some left out, some wild."""
    found = []
    for _ in range(count):
        landed = rng.random() < 0.85
        found.append(
            {
                'along_ft': float(rng.uniform(-200, 2_500)) if landed else None,
                'aim_ft': float(rng.uniform(0, 700)),
                'threshold_speed_kias': float(rng.uniform(52, 78)) if rng.random() < 0.4 else None,
                'headwind_kt': float(rng.uniform(-4, 22)) if rng.random() < 0.4 else None,
                'excluded': bool(rng.random() < 0.1),
            }
        )
    return found


def test_no_lap_moves_the_aim_by_more_than_the_step_whatever_was_tapped(table):
    rng = np.random.default_rng(41)
    for _ in range(6):
        laps = random_laps(rng, table, 14)
        moved = [
            one['moved_ft'] for one in values('offline/answers', [['learned', table, laps[:n]] for n in range(15)])
        ]
        assert moved[0] == 0
        assert np.abs(np.diff(moved)).max() <= table['aim_step_ft'] + 1e-9


def test_what_is_left_out_or_did_not_land_teaches_nothing(table):
    rng = np.random.default_rng(42)
    laps = random_laps(rng, table, 10)
    dull = [lap | {'excluded': True} for lap in laps] + [lap | {'along_ft': None} for lap in laps]
    mixed = [one for pair in zip(laps, dull, strict=False) for one in pair]
    first, second, third = values('offline/answers', [['learned', table, one] for one in (laps, mixed, dull)])
    assert second['bias_ft'] == pytest.approx(first['bias_ft'])
    assert third == {'bias_ft': table['bias_ft'], 'moved_ft': 0}


def test_a_wild_lap_counts_no_more_than_the_limit(table):
    usual = {'aim_ft': 300.0, 'threshold_speed_kias': None, 'headwind_kt': None, 'excluded': False}
    far, farther = (usual | {'along_ft': feet} for feet in (3_000.0, 12_000.0))
    one, other = values('offline/answers', [['learned', table, [lap]] for lap in (far, farther)])
    assert one == other


def test_the_chance_falls_away_from_the_middle_and_with_scatter(table):
    shifts = [0, 60, 120, 200, 300, 400]
    for scatter in (40, 90, 180):
        ahead, behind = (
            values('offline/answers', [['hitChance', table, scatter, sign * shift] for shift in shifts])
            for sign in (1, -1)
        )
        assert ahead == sorted(ahead, reverse=True)
        assert behind == sorted(behind, reverse=True)
        assert all(0 <= chance <= 1 for chance in ahead + behind)
    by_scatter = values('offline/answers', [['hitChance', table, scatter, 0] for scatter in (30, 60, 120, 240)])
    assert by_scatter == sorted(by_scatter, reverse=True)
    # beyond the table the nearest it knows, never more or less than all
    wild = values('offline/answers', [['hitChance', table, 5_000, 0], ['hitChance', table, 1, 9_000]])
    assert 0 <= min(wild) <= max(wild) <= 1


def test_the_parts_of_every_lap_add_up_to_its_error(table):
    rng = np.random.default_rng(43)
    laps = [lap for lap in random_laps(rng, table, 60) if lap['along_ft'] is not None]
    asked = [['lapOnDevice', table, lap, table['spot_ft'], table['briefed_aim_ft']] for lap in laps]
    for lap, result in zip(laps, values('offline/answers', asked), strict=True):
        assert sum(part['feet'] or 0 for part in result['parts']) == pytest.approx(result['error_ft'])
        assert result['error_ft'] == pytest.approx(lap['along_ft'] - table['spot_ft'] - table['target_minus_spot_ft'])
        unknown = {part['cause'] for part in result['parts'] if part['feet'] is None}
        assert ('speed' in unknown) == (lap['threshold_speed_kias'] is None or not in_table(table, lap))
        box = [table['spot_ft'] + edge for edge in table['box_minus_spot_ft']]
        assert result['hit'] == (box[0] <= lap['along_ft'] <= box[1])
        assert result['words'] == 'In the box' or 'the box' in result['words']


def test_without_a_wind_that_anybody_gave_a_lap_teaches_and_blames_nothing(table):
    unknown = table | {'wind_is_known': False}
    laps = [
        {'along_ft': 1_500.0, 'aim_ft': 300.0, 'threshold_speed_kias': 64.0, 'headwind_kt': head, 'excluded': False}
        for head in (None, 6.0)
    ]
    asked = [['learned', one, [lap]] for one in (table, unknown) for lap in laps]
    known_unread, known_read, unread, read = (one['bias_ft'] for one in values('offline/answers', asked))
    assert unread == table['bias_ft'] != known_unread
    assert read == known_read
    cues = [
        one['cue']
        for one in values(
            'offline/answers',
            [
                ['lapOnDevice', unknown, laps[0], table['spot_ft'], 300.0],
                ['lapOnDevice', table, laps[0], table['spot_ft'], 300.0],
                ['lapOnDevice', table, laps[0] | {'threshold_speed_kias': None}, table['spot_ft'], 300.0],
            ],
        )
    ]
    assert 'nobody has given the wind' in cues[0]
    assert 'Time the hold-off' in cues[1]
    assert 'nobody read the speed' in cues[2]


def in_table(table: dict[str, Any], lap: dict[str, Any]) -> bool:
    """Whether the lap's speed is one that the table holds."""
    speeds = table['speed_kias']
    return bool(speeds[0] <= lap['threshold_speed_kias'] <= speeds[-1])


def test_a_lap_without_a_touchdown_is_not_explained(table):
    lap = {'along_ft': None, 'aim_ft': 300.0, 'threshold_speed_kias': 64.0, 'headwind_kt': 4.0, 'excluded': False}
    (result,) = values('offline/answers', [['lapOnDevice', table, lap, table['spot_ft'], 300.0]])
    assert result['error_ft'] is None
    assert result['hit'] is None
    assert result['parts'] == []


@pytest.mark.parametrize('shift', [-150.0, 80.0, 300.0])
def test_another_spot_moves_the_aim_by_as_much(table, shift):
    here, there = values('offline/answers', [['nextLap', table, []], ['nextLap', table, [], table['spot_ft'] + shift]])
    assert there['aim_point_ft'] - here['aim_point_ft'] == pytest.approx(shift)
    assert there['hit_chance'] == pytest.approx(here['hit_chance'])
    brief = make_brief(
        make_request(
            weather={'wind_kt': 8},
            spot_ft=700 + shift,
            calibration={'bias_ft': 60.0, 'scatter_ft': 80.0, 'bias_sd_ft': 70.0},
        )
    )
    assert there['aim_point_ft'] == pytest.approx(brief.aim.aim_point_ft, abs=0.5)


def test_a_pilot_who_is_always_long_is_brought_to_the_middle_of_the_box(table):
    # a whole lesson on the device: each lap flown at the aim it proposes, 140 ft longer than the model each time
    touched = in_node(
        """
        const { nextLap, touchdownMinusAimFt } = load('offline/answers')
        const laps = [], touched = []
        for (let n = 0; n < 12; n++) {
          const { aim_point_ft: aim, speed_kias: speed } = nextLap(given, laps)
          const along = aim + touchdownMinusAimFt(given, speed, given.briefed_headwind_kt) + given.bias_ft + 140
          laps.push({ along_ft: along, aim_ft: aim, threshold_speed_kias: speed, headwind_kt: given.briefed_headwind_kt,
                      excluded: false })
          touched.push(along - given.spot_ft - given.target_minus_spot_ft)
        }
        return touched
        """,
        table,
    )
    assert touched[0] == pytest.approx(140, abs=1)
    assert abs(touched[-1]) < 30
    assert all(abs(later) <= abs(before) + 1e-6 for before, later in itertools.pairwise(touched))


@pytest.mark.parametrize('head_kt', [-4.0, 3.0, 15.0])
def test_a_wind_that_was_read_moves_the_next_aim_as_the_core_would(table, head_kt):
    known = {'bias_ft': 60.0, 'scatter_ft': 80.0, 'bias_sd_ft': 70.0}
    course = make_request().runway.course_deg_true
    there = make_request(
        weather={
            'wind_dir_deg_mag': None,
            'wind_dir_deg_true': course if head_kt > 0 else (course + 180) % 360,
            'wind_kt': abs(head_kt),
        },
        spot_ft=700,
        calibration=known,
    )
    course_mag = 50.4
    from_deg = course_mag if head_kt > 0 else course_mag + 180
    wind = {'from_deg_mag': from_deg, 'kt': abs(head_kt), 'gust_kt': None}
    (now,) = values('offline/wind', [['windOn', wind, course_mag]])
    (found,) = values('offline/answers', [['nextLap', table, [], 700, now]])
    assert found['aim_point_ft'] == pytest.approx(make_brief(there).aim.recommended_aim_point_ft, abs=10)
    assert found['predicted_ft'] == pytest.approx(make_brief(there).aim.target_ft, abs=10)
