"""The landings of a lesson together: what is counted, what leads, and what several marks make a lesson."""

import pytest

from bullseye.core.brief.landing import make_brief
from bullseye.core.explain.diagnosis import diagnose, flown_lap
from bullseye.core.explain.faults import Shape, illusion_words, steady_fault
from bullseye.core.explain.scoring import score_lap
from bullseye.core.explain.summary import summarise
from bullseye.core.measure.lap import MeasuredLap
from tests.core.making import make_request

REQUEST = make_request(weather={'wind_kt': 6})
BRIEF = make_brief(REQUEST)
AIM_FT = BRIEF.aim.aim_point_ft
FLOAT_S = BRIEF.touchdown.float_s


def flown(**seen):
    lap = MeasuredLap(**({'outcome': 'touch_and_go', 'headwind_kt': BRIEF.wind.headwind_kt} | seen))
    score = score_lap(lap, brief=BRIEF, tolerance=REQUEST.standard.tolerance(REQUEST.landing))
    return score, diagnose(lap, request=REQUEST, brief=BRIEF), lap.outcome == 'go_around'


def lesson(*laps):
    return summarise([flown(**lap) for lap in laps])


def test_a_go_around_is_a_lap_and_no_landing():
    found = lesson({'along_ft': 780.0}, {'along_ft': 860.0}, {'outcome': 'go_around'})
    assert (found.laps, found.landings, found.measured, found.go_arounds) == (3, 2, 2, 1)


@pytest.mark.parametrize(
    ('marked', 'of', 'is_the_lesson'), [(2, 4, True), (2, 5, False), (1, 2, False), (3, 5, True), (3, 7, False)]
)
def test_laps_dropped_in_are_the_lesson_when_they_are_half_of_those_that_were_short(marked, of, is_the_lesson):
    low_ft = REQUEST.spot_ft - 140.0
    laps = [{'along_ft': low_ft - 9 * n, 'marks': ('dropped_in',) if n < marked else ()} for n in range(of)]
    assert ('dropped' in lesson(*laps).one_change.name) is is_the_lesson


@pytest.mark.parametrize(
    ('seen', 'of', 'is_steady'), [(2, 4, True), (2, 5, False), (1, 1, False), (3, 6, True), (2, 6, False)]
)
def test_a_mark_is_a_steady_fault_when_half_of_the_latest_landings_have_it(seen, of, is_steady):
    marks = [('dropped_in',)] * seen + [()] * (of - seen)
    found = steady_fault([*[('ballooned',)] * 9, *marks] if of == 6 else marks)
    assert (found is not None and found.code == 'dropped_in') is is_steady


@pytest.mark.parametrize(('over_s', 'verdict'), [(0.9, 'pass'), (2.1, 'fail')])
def test_a_float_is_judged_against_the_model(over_s, verdict):
    score, _, _ = flown(along_ft=800.0, float_s=FLOAT_S + over_s)
    found = {one.name: one.verdict for one in score.criteria}['float']
    assert found in ({'pass'} if verdict == 'pass' else {'near', 'fail'})
    long, _, _ = flown(along_ft=800.0, float_s=FLOAT_S + 9.0)
    assert {one.name: one.verdict for one in long.criteria}['float'] == 'fail'


def test_a_go_around_that_would_have_been_short_bounds_the_touchdown_from_above():
    box = [REQUEST.spot_ft + edge for edge in REQUEST.tolerance.window_ft]
    short = flown_lap(MeasuredLap(outcome='go_around', going='short', headwind_kt=5.0), REQUEST)
    long = flown_lap(MeasuredLap(outcome='go_around', going='long', headwind_kt=5.0), REQUEST)
    assert short.most_from_aim_ft == pytest.approx(box[0] - AIM_FT)
    assert short.least_from_aim_ft is None
    assert long.least_from_aim_ft == pytest.approx(box[1] - AIM_FT)
    assert long.most_from_aim_ft is None


def test_the_cues_of_a_runway_are_told_together_only_where_both_count():
    home = Shape(name='Lantern Bay 05', length_ft=2_800, width_ft=80, slope_pct=0)

    def said(slope_pct):
        here = Shape(name='there', length_ft=2_800, width_ft=52, slope_pct=slope_pct)
        return [one.name for one in illusion_words(here, home=home)]

    assert 'joined' in said(1.4)  # narrow and rising: low, and low again
    assert 'joined' not in said(0.1)  # a slope that nobody sees
    assert 'joined' not in said(-1.4)  # narrow and falling deceive to different sides: each stands alone
