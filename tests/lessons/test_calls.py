"""What is called in the air: go-arounds that are right, landings that were lucky, and faults each with its remedy."""

import pytest

from tests.lessons.conftest import TRAINER


def short_of(school, student='Owen', **values):
    return school.lesson(student, TRAINER, school.runway(1_850), landing='short_field', spot_ft=450, **values)


def test_the_window_gone_is_a_right_go_around_and_no_miss(school):
    lesson = short_of(school)
    lesson.fly(along_ft=540.0, threshold_speed_kias=54.0)
    before = lesson.laps()['summary']
    around = {'called_by': 'student', 'why': 'window_gone', 'when': 'in_time', 'along_ft': 690.0, 'height_ft': 4.0}
    lap = lesson.fly(outcome='go_around', along_ft=None, noted={'went_around': around})
    assert lap['noted']['went_around'] == around | {'touched_ft': None}
    assert lap['along_ft'] is None
    decision = next(one for one in lap['around']['judged'] if one['task'] == 'decision')
    assert (decision['verdict'], decision['points']) == ('pass', decision['weight'])
    assert 'costs nothing' in lap['around']['decision_words']
    after = lesson.laps()['summary']
    assert after['hits'] == before['hits']
    assert after['landings'] == before['landings']
    assert after['go_arounds'] == before['go_arounds'] + 1


def test_the_runway_is_not_free(school):
    lesson = school.lesson('Priya', 'Marram 160', school.end('Lantern Bay', '23'), weight_lb=2_200)
    lap = lesson.fly(
        outcome='go_around', along_ft=None, noted={'went_around': {'why': 'occupied', 'called_by': 'instructor'}}
    )
    assert 'the runway was not free' in lap['around']['decision_words']
    assert lap['around']['faults'] == []
    late = lesson.fly(
        outcome='go_around',
        along_ft=None,
        marks=['around_flap'],
        noted={'went_around': {'why': 'gust', 'when': 'late'}},
    )
    assert [one['name'] for one in late['around']['faults']] == ['came_late']
    assert late['around']['decision'] == 'pass'


def test_not_stable_at_the_gate_and_yet_in_the_box(school):
    lesson = school.lesson('Tobias', 'Marram 160', school.end('Lantern Bay', '23'), weight_lb=2_200, spot_ft=600)
    speed = lesson.brief()['speed']['approach_speed_kias']
    lap = lesson.fly(along_ft=660.0, marks=['gate_not_met'], noted={'gate_speed_kias': round(speed) + 12.0})
    assert lap['score']['hit'] is True
    assert lap['around']['decision'] == 'fail'
    assert lap['around']['faults'][0]['name'] == 'decision'
    fast = next(one for one in lap['around']['judged'] if one['name'] == 'final_speed')
    assert fast['verdict'] == 'fail'
    assert fast['value'] == pytest.approx(12, abs=0.6)
    assert lap['around']['points'] < lap['around']['out_of']


def test_a_touchdown_far_behind_the_go_around_point_is_a_fault_of_decision(school):
    lesson = short_of(school)
    point_ft = lesson.brief()['ground']['go_around_point_ft']
    near = lesson.fly(along_ft=point_ft + 30)  # no farther behind than a tap may be off
    assert near['around']['decision'] != 'fail'
    late = lesson.fly(along_ft=point_ft + 90)
    assert late['around']['decision'] == 'fail'
    assert 'behind the go-around point' in late['around']['decision_words']


def test_the_box_can_be_the_go_around_point(school, marta):
    techniques = school.catalogue['techniques']
    asked = {'name': 'Box or around', 'spec': techniques[0]['spec'] | {'latest_touchdown': 'box'}}
    made = marta.call('POST', '/api/techniques', asked, status=201)
    lesson = short_of(school, technique_id=made['id'])
    ground = lesson.brief()['ground']
    assert ground['go_around_by'] == 'box'
    assert ground['go_around_point_ft'] == pytest.approx(650)


def test_a_balloon_held_is_slight_and_pushing_is_never_the_answer(school):
    lesson = school.lesson('Ines', TRAINER, school.runway(3_100), wind_kt=5, wind_dir_deg_mag=90, spot_ft=600)
    held = lesson.fly(along_ft=810.0, ballooned=True, bounced=False)
    assert next(one for one in held['score']['criteria'] if one['name'] == 'arrival')['verdict'] == 'near'
    pushed = lesson.fly(along_ft=690.0, bounced=True, marks=['pushed'])
    assert pushed['along_ft'] == 690.0  # the first touch is the landing
    assert 'Never save a landing by pushing' in pushed['diagnosis']['one_change']
    faults = {mark: one for one in school.browser.get('/api/faults')['faults'] for mark in one['marks']}
    assert all(faults[mark]['now'] for mark in ('bounced', 'pushed', 'ballooned'))


@pytest.mark.parametrize(('mark', 'side'), [('rounded_out_high', -280.0), ('power_left_on', 250.0)])
def test_a_wrong_roundout_comes_before_the_aim(school, mark, side):
    lesson = school.lesson('Wren', TRAINER, school.runway(3_100), spot_ft=900)
    brief = lesson.brief()
    for _ in range(3):
        lap = lesson.fly(
            along_ft=brief['aim']['target_ft'] + side,
            threshold_speed_kias=brief['speed']['approach_speed_kias'],
            marks=[mark],
        )
    assert lesson.brief()['aim']['aim_point_ft'] == pytest.approx(brief['aim']['aim_point_ft'], abs=1)
    said = lap['diagnosis']['one_change']
    assert 'rounded out too high' in said if mark == 'rounded_out_high' else 'Power was left on' in said, (
        said,
        lap['diagnosis']['parts'],
    )


def test_slight_calls_cost_half_and_are_kept(school):
    lesson = school.lesson('Ines', TRAINER, school.runway(3_100))
    plain = lesson.fly(along_ft=900.0, marks=['over_banked', 'fast_downwind'])
    slight = lesson.fly(along_ft=900.0, marks=['over_banked', 'fast_downwind'], noted={'slight': ['over_banked']})
    verdicts = [{p['name']: p['verdict'] for p in lap['around']['judged']} for lap in (plain, slight)]
    assert [one['bank'] for one in verdicts] == ['fail', 'near']
    assert [one['downwind_speed'] for one in verdicts] == ['fail', 'fail']
    assert [one['name'] for one in slight['around']['faults']] == ['downwind_speed']


def test_every_call_has_a_page_and_is_offered_again_to_whom_it_was_made(school):
    faults = school.browser.get('/api/faults')['faults']
    marks = [mark for one in faults for mark in one['marks']]
    assert len(marks) == len(set(marks))
    first = school.lesson('Priya', 'Marram 160', school.end('Lantern Bay', '05'))
    for _ in range(3):
        first.fly(along_ft=700.0, marks=['eyes_too_near', 'corner_cut'])
    later = school.lesson('Priya', 'Marram 160', school.end('Lantern Bay', '05'))
    usual = school.browser.call('POST', f'{later.path}/plan', {})['usual_marks']
    assert {'eyes_too_near', 'corner_cut'} <= set(usual)
