"""The lap plan, the traffic around it, radio calls and the kneeboard card."""

import itertools
import math
from dataclasses import replace
from datetime import UTC, datetime, timedelta

import ephem
import pytest
from hypothesis import given
from hypothesis import strategies as st

from bullseye.core.air.sun import daylight_left_min
from bullseye.core.brief.kneeboard import make_kneeboard
from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.lapplan import KindRecord, LapPlanTask, LessonTime, PlannedLap, make_lap_plan
from bullseye.core.brief.plan import Plan
from bullseye.core.brief.whole import make_parts
from bullseye.core.fly.pattern import PatternChoice
from bullseye.core.fly.radio import radio_calls, spoken_runway
from bullseye.core.fly.traffic import WAKE_WAITS, extension_s, number_two, parallel_words
from bullseye.paper.kneeboard import kneeboard_pdf
from tests.core.making import make_request

ALL = ('normal', 'crosswind', 'short_field', 'soft_field', 'power_off', 'no_flap', 'forward_slip')


def task(**changes):
    usual = {
        'main': 'normal',
        'runway': '05',
        'spot_ft': 600.0,
        'spots_ft': dict.fromkeys(ALL, (400.0, 1_200.0)),
        'lap_s': 360.0,
        'time': LessonTime(),
        'fuel_burn_gph': 8.0,
        'daylight_min': None,
        'crosswind_kt': 4.0,
        'gust_spread_kt': 0.0,
        'headwind_kt': 6.0,
    }
    return LapPlanTask(**usual | changes)


def kinds(plan):
    return [lap.kind for lap in plan.laps]


def test_a_lesson_begins_with_a_warm_up_and_stops_while_it_goes_well():
    plan = make_lap_plan(task(main='short_field'))
    assert plan.laps[0].kind == 'normal'
    assert plan.laps[0].why == 'warm-up'
    assert plan.laps[-1].kind == 'short_field'
    assert plan.laps[-1].why == 'stop while it is going well'
    assert kinds(plan).count('short_field') >= len(plan.laps) / 2 - 1
    # by turns with what wind and record ask for, and the lesson's own first
    windy = make_lap_plan(task(main='short_field', crosswind_kt=9.0))
    assert kinds(windy)[:4] == ['normal', 'short_field', 'crosswind', 'short_field']


@pytest.mark.parametrize(
    ('changes', 'laps', 'by'),
    [
        ({}, 7, 'booked time'),
        ({'time': LessonTime(booked_min=30)}, 2, 'booked time'),
        ({'time': LessonTime(booked_min=15)}, 0, 'booked time'),
        ({'time': LessonTime(booked_min=240)}, 10, 'more teach nothing'),
        ({'time': LessonTime(fuel_gal=10)}, 5, 'fuel'),  # 75 min less 30 in reserve and 14 around the laps: 31 min
        ({'time': LessonTime(fuel_gal=3)}, 0, 'fuel'),
        ({'daylight_min': 40.0}, 4, 'sunset'),
        ({'daylight_min': 0.0}, 0, 'sunset'),
    ],
)
def test_time_fuel_and_light_limit_the_laps(changes, laps, by):
    plan = make_lap_plan(task(**changes))
    assert len(plan.laps) == laps
    assert by in str(plan.limited_by)


def test_what_is_unknown_is_said_and_not_counted():
    notes = make_lap_plan(task(fuel_burn_gph=None, time=LessonTime(fuel_gal=2))).notes
    assert any('Fuel' in str(note) for note in notes)
    assert any('Sunset' in str(note) for note in notes)


def test_the_wind_is_used_for_what_it_is_good_for():
    assert 'crosswind' in kinds(make_lap_plan(task(crosswind_kt=9.0)))
    calm = make_lap_plan(task(crosswind_kt=0.5))
    assert any('steady air' in lap.why for lap in calm.laps)
    gusty = make_lap_plan(task(gust_spread_kt=10.0))
    assert any(lap.kind == 'go_around' and 'gusts' in lap.why for lap in gusty.laps)


def test_every_longer_lesson_holds_a_go_around():
    assert 'go_around' in kinds(make_lap_plan(task()))
    assert 'go_around' not in kinds(make_lap_plan(task(time=LessonTime(booked_min=30))))


def record(landing, **more):
    given = {'laps': 6, 'hit_rate': 0.8, 'mean_error_ft': 0.0, 'spread_ft': 60.0, 'days_since': 3.0}
    return KindRecord(landing=landing, **given | more)


def test_what_is_weak_or_stale_on_record_is_flown():
    weak = make_lap_plan(task(time=LessonTime(record=(record('soft_field', hit_rate=0.2),))))
    assert any(lap.kind == 'soft_field' and '20 %' in lap.why for lap in weak.laps)
    stale = make_lap_plan(task(time=LessonTime(record=(record('no_flap', days_since=60.0),))))
    assert any(lap.kind == 'no_flap' and '60 days' in lap.why for lap in stale.laps)
    unknown = make_lap_plan(task(time=LessonTime(record=(record('soft_field', hit_rate=None),))))
    assert 'soft_field' not in kinds(unknown)  # nothing is known of it: neither weak nor hitting 0 %
    fresh = make_lap_plan(task(time=LessonTime(record=(record('no_flap'),))))
    assert 'no_flap' not in kinds(fresh)


@pytest.mark.parametrize(
    ('known', 'watch'),
    [
        (record('normal', mean_error_ft=180.0, spread_ft=50.0), 'the aim: 180 ft beyond the target'),
        (record('normal', mean_error_ft=-150.0, spread_ft=50.0), 'the aim: 150 ft before the target'),
        (record('normal', mean_error_ft=20.0, spread_ft=200.0), 'same speed every lap'),
        (record('normal', laps=2, mean_error_ft=300.0, spread_ft=10.0), 'speed on final'),
        (record('normal'), 'speed on final'),
    ],
)
def test_a_steady_error_watches_the_aim_and_a_scattered_one_the_speed(known, watch):
    assert watch in make_lap_plan(task(time=LessonTime(record=(known,)))).laps[0].watch


def test_what_is_not_good_is_not_planned_and_the_plan_says_why():
    nothing = make_lap_plan(task(no_lap=('The runway is 527 ft too short for the takeoff.',)))
    assert nothing.laps == ()
    assert str(nothing.words) == 'No lap is planned. The runway is 527 ft too short for the takeoff.'
    drills = make_lap_plan(task(spots_ft={}, no_landing=('The wheels are low.',)))
    assert set(kinds(drills)) == {'hold_off_drill', 'go_around'}
    assert 'The wheels are low. What does not land is planned instead.' in str(drills.notes[0])
    only_short = make_lap_plan(task(spots_ft={'short_field': (500.0, 640.0)}, no_landing=('The box is too long.',)))
    assert set(kinds(only_short)) <= {'short_field', 'go_around'}
    assert all(500 <= lap.spot_ft <= 640 for lap in only_short.laps if lap.spot_ft is not None)


@pytest.mark.parametrize(
    ('changes', 'words'),
    [
        ({'weather': {'wind_dir_deg_mag': 141, 'wind_kt': 17}}, 'over the aircraft limit of 15 kt'),
        ({'weather': {'wind_kt': 8, 'gust_kt': 26}}, 'rather wait'),
        ({'runway': {'length_ft': 1_100}}, 'too short for the takeoff'),
        ({'weather': {'temperature_c': 43}}, 'takeoff takes is unknown'),
        ({'runway': {'length_ft': 1_560, 'obstacle': {'height_ft': 60, 'before_threshold_ft': 200}}}, 'not planned'),
    ],
)
def test_no_lap_is_planned_whose_aim_box_or_takeoff_is_not_good(changes, words):
    made = make_parts(make_request(**changes), Plan()).lap_plan
    assert all(lap.spot_ft is None for lap in made.laps)
    assert words in ' '.join(map(str, (made.words, *made.notes)))


def test_every_planned_landing_is_good_by_its_own_brief():
    for changes in ({}, {'spot_ft': 250}, {'runway': {'length_ft': 2_100}, 'weather': {'wind_kt': 11, 'gust_kt': 19}}):
        request = make_request(**changes)
        laps = [lap for lap in make_parts(request, Plan()).lap_plan.laps if lap.spot_ft is not None]
        assert laps
        for lap in laps:
            brief = make_brief(replace(request, landing=lap.kind, spot_ft=lap.spot_ft))
            assert brief.aim.aim_is_good
            assert brief.ground.box_fits
            assert brief.aim.wheels_over_pavement_ft >= 9.9  # not only good: no caution either, where there is room
            assert brief.aim.box_ft[1] <= lap.go_around_point_ft + 1e-6
            assert lap.aim_point_ft == pytest.approx(brief.aim.aim_point_ft)


def test_plan_and_brief_give_one_aim_and_speed_for_one_spot():
    request = make_request(approach_speed_kias=66, flap='half', spot_ft=900)
    brief = make_brief(request)
    ordered = (PlannedLap(kind='normal', runway='05', spot_ft=900.0, watch='x'),)
    (lap,) = make_parts(request, Plan(laps=ordered), brief).lap_plan.laps
    assert (lap.aim_point_ft, lap.approach_kias, lap.flap) == (brief.aim.aim_point_ft, 66, 'half')
    moved = replace(request, aim_point_ft=brief.aim.aim_point_ft + 40)
    (lap,) = make_parts(moved, Plan(laps=ordered), make_brief(moved)).lap_plan.laps
    assert (lap.aim_point_ft, lap.approach_kias) == (brief.aim.aim_point_ft, 66)


def test_a_lap_ordered_where_it_is_not_good_says_so_and_gives_no_aim():
    ordered = (PlannedLap(kind='normal', runway='05', spot_ft=100.0, watch='x'),)
    (lap,) = make_parts(make_request(), Plan(laps=ordered)).lap_plan.laps
    assert lap.aim_point_ft is None
    assert 'wheels' in str(lap.problem) or 'threshold' in str(lap.problem) or 'pavement' in str(lap.problem)
    tick = card(ordered).laps[0]
    assert (tick.aim, tick.watch[:8]) == ('', 'NOT GOOD')


@given(
    st.floats(0, 2_000),
    st.floats(0, 2_500),
    st.floats(0, 2_500),
    st.floats(15, 300),
    st.sampled_from(ALL),
    st.floats(-30, 30),
    st.floats(0, 20),
)
def test_any_plan_is_possible_and_changes_the_spot(spot, nearest, farthest, booked, main, crosswind, gusts):
    plan = make_lap_plan(
        task(
            main=main,
            spot_ft=spot,
            spots_ft=dict.fromkeys(ALL, (nearest, max(nearest, farthest))),
            time=LessonTime(booked_min=booked),
            crosswind_kt=crosswind,
            gust_spread_kt=gusts,
        )
    )
    assert len(plan.laps) <= 10
    spots = [lap.spot_ft for lap in plan.laps if lap.spot_ft is not None]
    assert all(nearest - 1e-9 <= one <= max(nearest, farthest) + 1e-9 for one in spots)
    planned = [lap for lap in plan.laps if lap.spot_ft is not None]
    if len(set(spots)) > 2:
        assert all(a.spot_ft != b.spot_ft for a, b in itertools.pairwise(planned) if a.kind == b.kind == main)
    assert all(
        (lap.spot_ft is None) == (lap.kind in ('go_around', 'low_approach', 'hold_off_drill')) for lap in plan.laps
    )


# daylight


def _minutes_to_sunset(lat, lon, at):
    """[pub: ephem, after the USNO almanac] None where it does not set within a day, 0 when it is down."""
    observer, sun = ephem.Observer(), ephem.Sun()
    observer.lat, observer.lon, observer.date = str(lat), str(lon), at.replace(tzinfo=None)
    observer.pressure, observer.horizon = 0, '-0:34'  # sunset as almanacs define it: no air, 34' below, upper limb
    sun.compute(observer)
    if math.degrees(sun.alt) + math.degrees(sun.radius) < -34 / 60:
        return 0.0
    try:
        setting = observer.next_setting(ephem.Sun()).datetime().replace(tzinfo=UTC)
    except ephem.AlwaysUpError:
        return None
    minutes = (setting - at).total_seconds() / 60
    return minutes if minutes <= 1_440 else None


def test_minutes_to_sunset_agree_with_a_second_library_at_every_longitude_on_every_day():
    wrong, latitudes = [], (0.0, 32.8, -33.0, 47.2, -54.6, 60.3)
    for day in range(365):
        for step in range(24):
            lat, lon = latitudes[(day + step) % 6], -179.4 + 15 * step
            at = datetime(2026, 1, 1, (day * 5 + step * 7) % 24, 50, tzinfo=UTC) + timedelta(days=day)
            ours, theirs = daylight_left_min(lat_deg=lat, lon_deg=lon, at=at), _minutes_to_sunset(lat, lon, at)
            if (ours is None) != (theirs is None) or (theirs is not None and abs(ours - theirs) > 1.5):
                wrong.append((lat, lon, at.isoformat(), ours, theirs))
    assert not wrong, (len(wrong), wrong[:5])


def test_a_sunset_after_midnight_in_utc_is_that_of_the_same_evening():
    at = datetime(2026, 10, 10, 23, 50, tzinfo=UTC)  # late in the afternoon at 97° west
    left_min = daylight_left_min(lat_deg=32.8, lon_deg=-96.8, at=at)
    assert left_min == pytest.approx(_minutes_to_sunset(32.8, -96.8, at), abs=1.5)
    assert 5 < left_min < 25


def test_where_the_sun_does_not_set_no_sunset_is_invented():
    assert daylight_left_min(lat_deg=78.0, lon_deg=15.0, at=datetime(2026, 6, 21, 12, tzinfo=UTC)) is None
    assert daylight_left_min(lat_deg=78.0, lon_deg=15.0, at=datetime(2026, 12, 21, 12, tzinfo=UTC)) == 0


def test_no_day_is_left_in_the_last_minutes_before_and_after_sunset():
    setting = datetime(2026, 11, 25, 18, 30, tzinfo=UTC)
    left = [daylight_left_min(lat_deg=47.2, lon_deg=-38.4, at=setting + timedelta(seconds=20 * i)) for i in range(180)]
    assert left[0] > 0 == left[-1]
    assert max(left) < 60
    assert all(later <= before for before, later in itertools.pairwise(left))


# traffic


def test_two_that_fly_towards_each_other_pass_when_they_have_closed_the_distance():  # closed form
    passed = extension_s(ahead_final_nm=2, ahead_kt=60, downwind_kt=90, spot_ft=0, base_turn_after_abeam_s=0)
    assert passed == pytest.approx(2 / 150 * 3_600)
    assert extension_s(ahead_final_nm=0.1, ahead_kt=60, downwind_kt=90, spot_ft=0, base_turn_after_abeam_s=30) == 0


def test_on_a_long_final_one_stays_level_until_the_path_is_met():
    made = number_two(
        extend_s=60,
        downwind_kt=90,
        final_ft=25_000,
        tpa_ft=1_000,
        path_angle_deg=3,
        aim_ft=300,
        from_abeam_s=300,
        ahead_final_nm=2,
        ahead_kt=60,
        final_kt=60,
    )
    assert made.level_until_nm == pytest.approx(3.14, abs=0.01)  # 1,000 ft / tan 3°, exact trigonometry
    assert 'Stay level' in str(made.go_down_words)
    assert made.extend_nm == pytest.approx(1.5)
    assert made.gap_s == pytest.approx(300 - 120 - 300 / (60 * 1.68781), abs=0.1)


def parts(**choice):
    request = make_request(weather={'wind_kt': 8})
    return make_parts(request, Plan(pattern=PatternChoice(**choice), field_name='Lantern Bay'), make_brief(request))


def test_number_two_stretches_the_pattern_and_keeps_the_aim():
    alone, behind = parts(), parts(ahead_final_nm=2.0)
    assert alone.pattern.number_two is None
    two = behind.pattern.number_two
    assert two.extend_s > 10
    assert behind.pattern.final_length_ft - alone.pattern.final_length_ft == pytest.approx(
        two.extend_nm * 6_076.1, abs=30
    )
    assert any(str(call.when) == 'extending' for call in behind.radio)
    assert not any(str(call.when) == 'extending' for call in alone.radio)


def test_timed_base_is_carried_out_by_a_tailwind():
    def out(technique, wind):
        request = make_request(weather={'wind_kt': wind}, technique=technique)
        made = make_parts(request, Plan(), make_brief(request)).pattern
        return min(point.along_ft for point in made.path if point.leg == 'downwind')

    timed, seen = {'base_cue': 'timed'}, {}
    assert out(timed, 0) - out(timed, 15) > out(seen, 0) - out(seen, 15) + 200


@pytest.mark.parametrize(
    ('from_abeam_s', 'words', 'is_offered'),
    [
        (300.0, None, True),
        (160.0, 'is little: be ready to go around', True),
        (140.0, 'too close', True),
        (110.0, 'overtake the one ahead', False),
    ],
)
def test_too_small_a_gap_is_said_and_overtaking_is_not_offered(from_abeam_s, words, is_offered):
    asked = {'extend_s': 20.0, 'downwind_kt': 80.0, 'final_ft': 9_000.0, 'tpa_ft': 900.0, 'path_angle_deg': 3.0}
    asked |= {'aim_ft': 0.0, 'ahead_final_nm': 2.0, 'ahead_kt': 60.0, 'final_kt': 64.0}
    two = number_two(from_abeam_s=from_abeam_s, **asked)
    assert two.is_offered == is_offered
    assert (two.caution is None) == (words is None)
    if words is None:
        return
    assert words in str(two.caution)
    if 'Fly downwind on for' in str(two.caution):
        # flown on for so long, the gap is a minute: a second more downwind, and the longer way back
        more_s = float(str(two.caution).split('on for ')[1].split(' s')[0]) - 20
        assert from_abeam_s + more_s * (1 + 80 / 64) - 120 == pytest.approx(60, abs=1.5)
    if not is_offered:
        assert two.gap_s is None
        assert 'Gap' not in str(two.words)


def test_behind_larger_ones_one_waits_longer():
    # [com] 2 min medium, 4 heavy; [pub: ICAO Doc 4444] a light one landing 3 behind either, departing 2; from memory
    assert {wait.behind: wait.wait_s for wait in WAKE_WAITS} == {'medium': 180, 'medium, taking off': 120, 'heavy': 240}
    assert all('local rule' in str(wait.words) for wait in WAKE_WAITS)


@pytest.mark.parametrize(
    ('ident', 'others', 'side', 'words'),
    [
        ('05L', ('05L', '05R'), 'left', 'overshoots final'),
        ('05R', ('05L', '05R'), 'left', 'crosses its approach'),
        ('05R', ('05L', '05R'), 'right', 'overshoots final'),
        ('05', ('05', '14'), 'left', None),
        ('05L', ('05L', '23R'), 'left', None),
    ],
)
def test_a_parallel_runway_is_warned_of_on_the_right_side(ident, others, side, words):
    said = parallel_words(ident=ident, others=others, side=side)
    assert said is None if words is None else words in str(said)


# radio


@pytest.mark.parametrize(
    ('ident', 'spoken'),
    [('05', 'zero five'), ('23L', 'two three left'), ('9', 'niner'), ('N', 'N'), ('36C', 'three six center')],
)
def test_a_runway_as_it_is_spoken(ident, spoken):  # [pub: AIM 4-2-8, value from memory]
    assert spoken_runway(ident) == spoken


def test_every_call_says_field_who_where_and_field_again():
    for call in radio_calls(field='Lantern Bay', callsign='Marram 1', runway='05', side='left', intention='normal'):
        assert str(call.words).startswith('Lantern Bay traffic, Marram 1, ')
        assert str(call.words).endswith(', Lantern Bay.')
        assert 'zero five' in str(call.words)


# the card


def card(laps=None):
    request = make_request(weather={'wind_kt': 8})
    brief = make_brief(request)
    made = make_parts(request, Plan(laps=laps), brief)
    return make_kneeboard(
        request=request, brief=brief, parts=made, card=brief.card, title='Ines – Marram', subtitle='today'
    )


def test_the_card_holds_the_figures_of_the_brief():
    made, brief = card(), make_brief(make_request(weather={'wind_kt': 8}))
    text = ' '.join(line.value for line in (*made.points, *made.speeds, *made.takeoff))
    assert f'{round(brief.aim.aim_point_ft, -1):,.0f} ft' in text
    assert f'{brief.speed.approach_speed_kias:.0f} KIAS' in text
    assert [line.label for line in made.headings] == ['Upwind', 'Crosswind', 'Downwind', 'Base', 'Final']
    assert str(made.cautions[-1]).startswith('Training aid')


@pytest.mark.parametrize('paper', ['a5', 'a4'])
@pytest.mark.parametrize('count', [0, 1, 20])
def test_a_card_is_one_page_of_pdf_however_long_the_day(paper, count):
    lap = PlannedLap(kind='normal', runway='05', spot_ft=600.0, watch='speed − on ½ final ' * 3, why='')
    pdf = kneeboard_pdf(card((lap,) * count), paper=paper)
    assert pdf.startswith(b'%PDF-')
    assert pdf.count(b'/Type /Page\n') + pdf.count(b'/Type /Page ') == 1
    assert pdf == kneeboard_pdf(card((lap,) * count), paper=paper)


def test_laps_as_the_instructor_ordered_them_are_briefed_as_they_stand():
    laps = (
        PlannedLap(kind='power_off', runway='05', spot_ft=900.0, watch='x'),
        PlannedLap(kind='go_around', runway='05', spot_ft=None, watch='y'),
        PlannedLap(kind='no_flap', runway='05', spot_ft=1_000.0, watch='z'),
    )
    request = make_request(standard='us_commercial', runway={'length_ft': 4_300})
    made = make_parts(request, Plan(laps=laps), make_brief(request)).lap_plan
    assert made.is_own
    assert [lap.kind for lap in made.laps] == ['power_off', 'go_around', 'no_flap']
    no_flap = make_brief(replace(request, landing='no_flap', spot_ft=1_000.0))
    assert made.laps[2].aim_point_ft == pytest.approx(no_flap.aim.recommended_aim_point_ft)
    assert made.laps[1].aim_point_ft is None
    # the private standard has no power-off task: what to fly is unknown, and nothing falls over
    private = make_request()
    assert make_parts(private, Plan(laps=laps), make_brief(private)).lap_plan.laps[0].aim_point_ft is None


def test_a_spot_that_is_not_good_is_said_and_the_laps_still_change_theirs():
    request = make_request(spot_ft=150)
    plan = make_parts(request, Plan(), make_brief(request)).lap_plan
    spots = {lap.spot_ft for lap in plan.laps if lap.spot_ft is not None}
    assert len(spots) > 2
    assert min(spots) > 300
    assert all(lap.problem is None for lap in plan.laps)
    assert any('spot of the lesson at 150 ft is not good' in note for note in map(str, plan.notes))
    assert not any('Only one spot' in note for note in map(str, plan.notes))
    assert not any('not good' in note for note in map(str, make_parts(make_request(), Plan()).lap_plan.notes))
