"""The rest of the lap over months, a sortie by many standards, and what a flight does not allow."""

from dataclasses import replace
from datetime import UTC, datetime, timedelta

import pytest

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.brief.request import RefusedRequest
from bullseye.core.given.standards import BUILT_IN, Tolerance
from bullseye.core.measure.around import Around, GateFlown, WorkedOut
from bullseye.core.record.evidence import Flown, within_limits
from bullseye.core.record.examined import NumberedLap, examine
from bullseye.core.record.lesson import Standing, next_lesson
from bullseye.core.record.readiness import readiness
from bullseye.core.record.setting import Setting, not_allowed
from bullseye.core.record.syllabus import BUILT_IN as SYLLABUS
from bullseye.core.record.tasks import task_progress
from tests.core.making import make_request

DAY = datetime(2026, 4, 2, 9, tzinfo=UTC)
STEADY = (
    GateFlown(height_ft=300.0, lateral_ft=8.0, groundspeed_kt=61.0, above_path_ft=-12.0),
    GateFlown(height_ft=200.0, lateral_ft=5.0, groundspeed_kt=60.0, above_path_ft=9.0),
)
UNSTEADY = tuple(replace(one, above_path_ft=95.0) for one in STEADY)
PLAN = WorkedOut(climb_groundspeed_kt=70.0, downwind_groundspeed_kt=95.0, final_groundspeed_kt=60.0)


def flown(place_ft=140.0, *, number=0, gates=STEADY, climb_kt=71.0, altitude_ft=35.0, **more) -> Flown:
    values = {
        'landing': 'normal',
        'outcome': 'touch_and_go',
        'flown_at': DAY + timedelta(minutes=7 * number),
        'sortie_id': 3,
        'aircraft': 'Marram 160',
        'runway': 'Lantern Bay 05',
        'from_spot_ft': place_ft,
        'spot_ft': 450.0,
        'available_ft': 2_790.0,
        'speed_off_kt': 3.0,
        'drift': 'none',
        'takeoff': 'normal',
        'around': Around(
            climb_groundspeed_kt=climb_kt,
            pattern_height_error_ft=altitude_ft,
            downwind_groundspeed_kt=97.0,
            gates=gates,
        ),
        'worked_out': PLAN,
    }
    return Flown(**values | more)


def test_tasks_are_judged_apart_and_a_decision_needs_a_go_around():
    laps = [flown(number=k, climb_kt=71.0 if k % 3 else 87.0) for k in range(12)]
    by_task = {one.task: one for one in task_progress(laps, standard=BUILT_IN['us_private'], needed=0.8)}
    assert by_task['takeoff'].readiness.met == 8  # every third climb 17 kt fast
    assert by_task['takeoff'].readiness.state == 'not_yet'
    assert by_task['takeoff'].figures[0].failed == 4
    assert by_task['pattern'].readiness.met == by_task['pattern'].readiness.judged == 12
    assert by_task['decision'].readiness.state == 'unknown'
    assert 'No go-around flown yet' in str(by_task['decision'].readiness.words)
    around = [*laps, flown(None, number=12, outcome='go_around', gates=UNSTEADY)]
    by_task = {one.task: one for one in task_progress(around, standard=BUILT_IN['us_private'], needed=0.8)}
    assert by_task['decision'].readiness.met == 13
    landed = [flown(number=k, gates=UNSTEADY) for k in range(6)]  # never around, though it should have been
    by_task = {one.task: one for one in task_progress(landed, standard=BUILT_IN['us_private'], needed=0.8)}
    assert by_task['decision'].readiness.met == 0
    assert by_task['decision'].readiness.state == 'not_yet'
    # another standard judges the same laps anew: of instructors nothing is known, of commercial pilots 5 kt
    wide = {one.task: one for one in task_progress(laps, standard=BUILT_IN['us_instructor'], needed=0.8)}
    assert wide['takeoff'].readiness.judged == 0
    assert 'Speed in the climb' in str(wide['takeoff'].readiness.not_known[0])


def test_a_window_that_is_not_known_says_nothing_of_anybody():
    laps = [flown(k * 5.0, number=k) for k in range(30)]
    known = readiness(laps, tolerance=BUILT_IN['eu_ppl'].tolerance('normal'))
    assert (known.state, known.chance, known.met) == ('unknown', None, 0)
    assert 'not known here' in str(known.words)
    with pytest.raises(RefusedRequest, match='not known here: complete a copy'):
        make_request(standard='eu_ppl')
    assert laps[0].meets(BUILT_IN['eu_ppl'].tolerance('normal')) is None
    # speeds that are not known judge nothing, and are named
    canada = readiness(laps, tolerance=BUILT_IN['ca_ppl'].tolerance('short_field'))
    assert canada.judged_by == ('touchdown', 'drift')
    assert any('limit of the standard is not known' in str(one) for one in canada.not_known)
    with pytest.raises(InvalidInput, match='or a part'):
        Tolerance(touchdown_from_ft=0, touchdown_to_ft=200, within_share=0.5)
    with pytest.raises(InvalidInput, match='both ends'):
        Tolerance(touchdown_from_ft=0)
    assert within_limits(12.0, Tolerance(speed_below_kt=5)) is None
    assert within_limits(-6.0, Tolerance(speed_below_kt=5)) is False


def test_the_first_third_of_the_runway_is_a_window_of_its_own():
    """2,790 ft available and a spot at 450: from 450 before the spot to 480 beyond it."""
    third = BUILT_IN['ca_ppl'].tolerance('soft_field')
    assert flown(479.0).is_near(third) is True
    assert flown(481.0).is_near(third) is False
    assert flown(-449.0).is_near(third) is True
    assert flown(-451.0).is_near(third) is False
    assert flown(100.0, available_ft=None).is_near(third) is None
    request = make_request(standard='ca_ppl', landing='soft_field', spot_ft=450.0)
    box_ft = [450.0 + one for one in request.tolerance.window_ft]
    assert box_ft == pytest.approx([0.0, request.runway.landing_distance_available_ft / 3])
    mostly = readiness([flown(470.0 + (k % 5 == 0) * 40, number=k) for k in range(40)], tolerance=third)
    assert 0.7 < mostly.chance < 0.9
    assert mostly.met == 32


def test_an_examiner_takes_the_first_of_each_and_looks_for_what_happens_again():
    laps = [
        NumberedLap(number=1, flown=flown(430.0)),  # 30 long of 400
        NumberedLap(number=2, flown=flown(100.0, number=1)),
        NumberedLap(number=3, flown=flown(150.0, number=2, landing='short_field', climb_kt=86.0)),
        NumberedLap(number=4, flown=flown(None, number=3, outcome='go_around')),
    ]
    items = {one.code: one for one in examine(laps, BUILT_IN['us_private']).items}
    assert items['normal'].found == 'outside'
    assert [str(one) for one in items['normal'].words] == [
        'Lap 1: touched 30 ft beyond the window.',
        'Flown once again, within limits.',
    ]
    assert items['short_field'].found == 'within'
    assert items['soft_field'].found == 'not_flown'
    assert items['takeoff'].found == 'within'  # one climb of four was 16 kt fast
    assert 'corrected at once' in str(items['takeoff'].words[0])
    assert items['decision'].found == 'within'
    assert 'power_off' not in items
    commercial = {one.code: one.found for one in examine(laps, BUILT_IN['us_commercial']).items}
    assert (commercial['short_field'], commercial['power_off']) == ('outside', 'not_flown')
    europe = examine(laps, BUILT_IN['eu_ppl'])
    by_code = {one.code: one for one in europe.items}
    assert by_code['normal'].found == 'unknown'
    assert 'not known here' in str(by_code['normal'].words[0])
    assert not any('would pass' in str(one) or 'ready' in str(one) for one in europe.words)
    unstable = [*laps, NumberedLap(number=5, flown=flown(90.0, number=4, gates=UNSTEADY))]
    decided = {one.code: one for one in examine(unstable, BUILT_IN['us_private']).items}['decision']
    assert decided.found == 'outside'
    assert 'not stable on lap 5' in str(decided.words[0])
    never = {one.code: one for one in examine(laps[:3], BUILT_IN['us_private']).items}['decision']
    assert never.found == 'not_flown'


def test_what_was_not_seen_is_not_decided_and_a_fault_that_was_seen_is():
    unseen = [NumberedLap(number=1, flown=flown(120.0, speed_off_kt=None))]
    normal = {one.code: one for one in examine(unseen, BUILT_IN['us_private']).items}['normal']
    assert (normal.found, str(normal.words[0])) == ('unknown', 'Lap 1: the speed was not read.')
    short = [NumberedLap(number=1, flown=flown(-12.0, speed_off_kt=None, drift='left'))]
    normal = {one.code: one for one in examine(short, BUILT_IN['us_private']).items}['normal']
    assert normal.found == 'outside'
    assert 'touched 12 ft short of the window; touched with drift' in str(normal.words[0])


def test_the_next_lesson_leaves_out_what_the_flight_does_not_allow():
    aircraft = make_request().aircraft
    standings = [
        Standing(
            exercise=one,
            state='practised'
            if one.code in ('takeoff_normal', 'landing_normal', 'takeoff_crosswind', 'landing_crosswind')
            else 'introduced'
            if one.code == 'power_off'
            else 'not_begun',
            readiness=None,
            latest_on=DAY.date(),
        )
        for one in SYLLABUS
    ]
    exercises = [one.exercise for one in standings]
    setting = Setting(
        aircraft=aircraft,
        standard=BUILT_IN['us_private'],
        crosswind_kt=-2.4,
        alone_limit_kt=6.0,
        sun_elevation_deg=12.0,
        booked_min=45.0,
    )
    refused = not_allowed(exercises, setting)
    assert str(refused['landing_crosswind']) == '2 kt across is too little to practise in.'
    assert str(refused['power_off']) == 'US private has no such task.'
    assert str(refused['night']) == 'it is day at that hour.'
    assert 'three_point' in refused  # no tailwheel
    assert 'landing_normal' not in refused
    lesson = next_lesson(standings, today=DAY.date(), not_today=refused, most_items=setting.most_items)
    codes = [one.code for one in lesson.items]
    assert len(codes) <= 2  # 45 minutes
    assert not {'landing_crosswind', 'power_off'} & set(codes)
    said = ' '.join(str(one) for one in lesson.left_out)
    assert 'Crosswind landing: 2 kt across' in said
    assert 'Tailwheel' not in said  # which nobody would have proposed
    strong = not_allowed(exercises, replace(setting, crosswind_kt=31.0))
    assert 'more than the' in str(strong['landing_normal'])
    alone = not_allowed(exercises, replace(setting, crosswind_kt=8.0))
    assert 'flying alone' in str(alone['first_solo'])
    assert 'landing_normal' not in alone
    assert 'landing_crosswind' not in not_allowed(exercises, replace(setting, crosswind_kt=None))
