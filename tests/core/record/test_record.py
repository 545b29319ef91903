"""Currency, syllabus, next lesson, logbook, progress and faults, each against something worked out by hand."""

import itertools
from dataclasses import replace
from datetime import UTC, date, datetime, time, timedelta

import ephem
import pytest
from scipy import stats

from bullseye.core.air.sun import is_night
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.explain.faults import FAULTS, Shape, illusion_words, illusions
from bullseye.core.given.standards import BUILT_IN as STANDARDS
from bullseye.core.record.currency import RULES, Landed, currency
from bullseye.core.record.evidence import Flown
from bullseye.core.record.lesson import Standing, head_of, next_lesson
from bullseye.core.record.logbook import COLUMNS, LogLine, from_csv, to_csv, totals
from bullseye.core.record.progress import progress_of
from bullseye.core.record.readiness import readiness
from bullseye.core.record.syllabus import BUILT_IN, Exercise, Shown, check_syllabus, may_begin, state_of

TODAY = date(2026, 11, 27)
BY_CODE = {rule.code: rule for rule in RULES}
US = STANDARDS['us_private'].tolerance('normal')


@pytest.mark.parametrize(
    ('code', 'days', 'today', 'until'),
    [
        # 3 in 90 days: 1 Jan + 90 days is 1 April in a common year, 31 March in a leap year
        ('three_in_90', [date(2026, 1, 1)] * 3, date(2026, 4, 1), date(2026, 4, 1)),
        ('three_in_90', [date(2026, 1, 1)] * 3, date(2026, 4, 2), None),
        ('three_in_90', [date(2028, 1, 1)] * 3, date(2028, 3, 31), date(2028, 3, 31)),
        ('three_in_90', [date(2028, 1, 1)] * 3, date(2028, 4, 1), None),
        # the third-latest landing decides, not the latest
        ('three_in_90', [date(2026, 3, 1), date(2026, 3, 20), date(2026, 5, 1)], date(2026, 5, 2), date(2026, 5, 30)),
        ('three_in_90', [date(2026, 3, 1), date(2026, 5, 1)], date(2026, 5, 2), None),
        # what is flown tomorrow does not count today
        ('three_in_90', [date(2026, 5, 3)] * 3, date(2026, 5, 2), None),
        # 5 in 6 months of the calendar: 31 August + 6 months is the last of February
        ('five_in_six_months', [date(2026, 8, 31)] * 5, date(2027, 2, 28), date(2027, 2, 28)),
        ('five_in_six_months', [date(2026, 8, 31)] * 5, date(2027, 3, 1), None),
        ('five_in_six_months', [date(2027, 8, 31)] * 5, date(2028, 2, 29), date(2028, 2, 29)),
        ('five_in_six_months', [date(2026, 8, 31)] * 4, date(2026, 9, 1), None),
    ],
)
def test_currency_by_worked_calendars(code, days, today, until):
    """Worked by hand; [pub: 14 CFR 61.57, CAR 401.05, from memory]."""
    found = currency([Landed(on=day, landings=1) for day in days], rule=BY_CODE[code], today=today)
    assert (found.until, found.holds) == (until, until is not None)


def test_only_what_a_rule_counts_counts():
    landed = [Landed(on=TODAY, landings=9, full_stops=2, night_full_stops=0)]
    assert currency(landed, rule=BY_CODE['three_in_90'], today=TODAY).holds
    tail = currency(landed, rule=BY_CODE['three_full_stop'], today=TODAY)
    assert str(tail.words) == '3 full-stop landings in 90 days (tailwheel): 2 of 3 in the time; 1 more.'
    assert 'no landing on record' in str(currency(landed, rule=BY_CODE['three_by_night'], today=TODAY).words)


@pytest.mark.parametrize('lat', [-41.5, 12.0, 47.2, 58.9])
def test_night_is_that_of_a_second_library(lat):
    """PyEphem, an independent implementation: the sun's centre 6° below the horizon, no refraction."""
    wrong = 0
    for day, minutes in itertools.product(range(5, 365, 24), range(0, 1_440, 36)):
        at = datetime(2026, 1, 1, tzinfo=UTC) + timedelta(days=day, minutes=minutes)
        place = ephem.Observer()
        place.lat, place.lon, place.pressure, place.date = str(lat), '-38.4', 0, at.replace(tzinfo=None)
        height_deg = float(ephem.Sun(place).alt) * 57.29578
        if abs(height_deg + 6) > 0.05:  # 12 s of time
            wrong += is_night(lat_deg=lat, lon_deg=-38.4, at=at) != (height_deg < -6)
    assert wrong == 0


def test_the_built_in_syllabus_can_be_taught_from_first_to_last():
    check_syllabus(BUILT_IN)
    states = {}
    for one in BUILT_IN:
        assert may_begin(one, states) == ()  # in teaching order nothing asks for what comes later
        states[one.code] = 'practised'


@pytest.mark.parametrize(
    ('needs', 'words'),
    [({'a': ('b',), 'b': ('c',), 'c': ('a',)}, 'by way of others'), ({'a': ('nothing',)}, 'codes of the syllabus')],
)
def test_a_syllabus_that_nobody_could_begin_is_refused(needs, words):
    rows = [
        Exercise(
            code=f'{code}{code}', name=code, group='landing', needs=tuple(f'{n}{n}' if len(n) == 1 else n for n in of)
        )
        for code, of in needs.items()
    ]
    with pytest.raises(InvalidInput, match=words):
        check_syllabus(rows)
    with pytest.raises(InvalidInput, match='each code once'):
        check_syllabus([BUILT_IN[0], BUILT_IN[0]])


@pytest.mark.parametrize(
    ('shown', 'state'),
    [
        (Shown(), 'not_begun'),
        (Shown(laps=2, last_on=TODAY), 'introduced'),
        (Shown(noted='introduced', noted_on=TODAY), 'introduced'),
        (Shown(laps=5, last_on=TODAY, readiness='unknown'), 'practised'),
        (Shown(laps=9, last_on=TODAY, readiness='likely'), 'likely'),
        (Shown(laps=20, last_on=TODAY, readiness='at_standard'), 'at_standard'),
        (Shown(laps=20, last_on=TODAY - timedelta(days=30), readiness='at_standard'), 'at_standard'),
        (Shown(laps=20, last_on=TODAY - timedelta(days=31), readiness='at_standard'), 'stale'),
        (Shown(laps=20, last_on=TODAY, readiness='likely', signed_on=TODAY - timedelta(days=90)), 'signed'),
        (Shown(laps=20, last_on=TODAY, readiness='not_yet', signed_on=TODAY - timedelta(days=90)), 'stale'),
        (Shown(laps=20, last_on=TODAY - timedelta(days=60), readiness='not_yet'), 'practised'),
    ],
)
def test_where_a_student_stands_in_an_exercise(shown, state):
    assert state_of(shown, today=TODAY) == state


def flown(place_ft, *, off_kt=0.0, sortie=1, aim_ft=300.0, day=0, drift='none'):
    return Flown(
        landing='normal',
        outcome='touch_and_go',
        flown_at=datetime(2026, 11, 1, 9, tzinfo=UTC) + timedelta(days=day),
        sortie_id=sortie,
        aircraft='Marram 160',
        runway='Lantern Bay 05',
        from_spot_ft=place_ft,
        speed_off_kt=off_kt,
        aim_before_spot_ft=aim_ft,
        drift=drift,
    )


def standing(code, state, laps=()):
    one = next(e for e in BUILT_IN if e.code == code)
    known = readiness(laps, tolerance=US) if laps else None
    return Standing(exercise=one, state=state, readiness=known, latest_on=TODAY - timedelta(days=45))


def test_the_next_lesson_takes_the_weakest_and_the_stalest_and_one_new_thing_at_most():
    bad = [flown(600.0 + 20 * (k % 3)) for k in range(8)]
    standings = [
        standing('takeoff_normal', 'practised'),
        standing('pattern', 'practised'),
        standing('landing_normal', 'signed'),
        standing('no_flap', 'stale'),
        standing('forward_slip', 'practised', bad),
        standing('landing_crosswind', 'not_begun'),
        standing('landing_short', 'not_begun'),
        standing('landing_soft', 'not_begun'),
    ]
    found = next_lesson(standings, today=TODAY)
    assert [(one.code, one.part) for one in found.items] == [
        ('landing_normal', 'warm_up'),
        ('forward_slip', 'main'),
        ('no_flap', 'refresh'),
        ('landing_short', 'new'),  # the crosswind landing needs its takeoff first
    ]
    assert found.main == 'forward_slip'
    said = {one.code: str(one.why) for one in found.items}
    assert 'What lets it down most is where it touches.' in said['forward_slip']
    assert said['no_flap'] == 'Last flown 45 days ago.'
    head = head_of(standings, found)
    assert str(head.holds) == 'At standard or signed: Normal landing.'
    assert str(head.holds_not).startswith('Forward slip needs the most work')
    refused = next_lesson(standings, today=TODAY, not_today={'forward_slip': head.holds})
    assert refused.main == 'no_flap'
    assert str(refused.left_out[0]).startswith('forward_slip') is False


def test_nobody_is_said_to_be_at_standard_without_what_is_not_known():
    laps = [replace(flown(190.0 + 12 * (k % 4)), speed_off_kt=None) for k in range(30)]
    one = standing('landing_normal', 'at_standard', laps)
    said = str(head_of([one], next_lesson([one], today=TODAY)).holds)
    assert said == 'At standard or signed: Normal landing (speed not known).'


def test_whether_a_change_of_the_aim_helped_is_what_a_test_of_two_means_says():
    before = [flown(400.0 + d, sortie=1, aim_ft=250) for d in (0, 40, -30, 25, -15)]
    after = [flown(230.0 + d, sortie=2, aim_ft=420, day=9) for d in (10, -35, 20, 5, -20)]
    said = str(progress_of([*before, *after], tolerance=US, needed=0.8).change)
    assert said.startswith('On 10 Nov the aim point moved 170 ft back.')
    assert 'from 200 ft to 30 ft over 5 landings: it helped' in said
    p = stats.ttest_ind([f.from_spot_ft for f in before], [f.from_spot_ft for f in after], equal_var=False).pvalue
    assert p < 0.05
    wide = [flown(230.0 + d, sortie=2, aim_ft=420, day=9) for d in (400, -300, 200)]
    assert 'may be chance' in str(progress_of([*before, *wide], tolerance=US, needed=0.8).change)
    worse = [flown(-20.0 + d, sortie=2, aim_ft=650, day=9) for d in (-300, -310, -290, -305)]
    assert 'did not help' in str(progress_of([*before, *worse], tolerance=US, needed=0.8).change)
    assert progress_of(before, tolerance=US, needed=0.8).change is None
    # the briefed speed likewise: five knots less, and 170 ft nearer
    slower = [replace(one, briefed_kias=61.0) for one in after]
    of_speed = progress_of([*(replace(one, briefed_kias=66.0) for one in before), *slower], tolerance=US, needed=0.8)
    assert 'the briefed speed went down by 5 kt. The mean error went from 200 ft to 30 ft' in str(of_speed.change)
    assert str(of_speed.change).count('it helped') == 2  # the aim moved on the same day


LINE = LogLine(
    flown_on=date(2026, 11, 20),
    aircraft='Marram 160',
    registration='LB-MAR',
    from_field='LANT',
    to_field='CAIR',
    off_block=time(9, 5),
    block_min=75,
    role='dual',
    with_person='=HYPERLINK("x")',
    takeoffs_day=4,
    landings_day=3,
    landings_night=1,
    exercises=('normal', 'go-around'),
    remarks='wind, "gusty"\nand then calm; -5 °C',
)


def test_a_logbook_goes_out_as_csv_and_comes_back_the_same():
    unknown = LogLine(flown_on=date(2026, 2, 28), aircraft='Bramble 90T', role='solo')
    text = to_csv([LINE, unknown])
    assert text.splitlines()[0] == ','.join(COLUMNS)
    assert "'=HYPERLINK" in text  # no spreadsheet runs it
    read = from_csv(b'\\ufeff'.decode('unicode_escape') + text)
    assert read.lines == (LINE, unknown)
    assert read.problems == ()
    assert unknown.unknown == ('registration', 'from_field', 'to_field', 'block_min', 'takeoffs_day', 'landings_day')
    # another hour is another flight, other words are not
    assert replace(LINE, off_block=time(13)).digest != LINE.digest == replace(LINE, remarks='other words').digest


def test_a_row_that_cannot_be_read_stops_no_other():
    rows = (
        to_csv([LINE]).replace('75', '99999')
        + b'x,y\\r\\n'.decode('unicode_escape')
        + to_csv([LINE]).splitlines(keepends=True)[1]
    )
    read = from_csv(rows)
    assert len(read.problems) >= 1
    assert read.problems[0].startswith('Row 2: block_min')
    for bad in ('', 'a,b,c\n1,2,3'):
        with pytest.raises(InvalidInput):
            from_csv(bad)


def test_sums_add_nothing_for_what_is_unknown_and_say_so():
    found = totals([LINE, replace(LINE, block_min=None, role='solo'), replace(LINE, block_min=30, role='solo')])
    assert (found.flights, found.block_min, found.landings, found.landings_night, found.not_counted) == (
        3,
        105,
        12,
        3,
        1,
    )
    assert found.by_role_min == {'dual': 75, 'solo': 30}


def test_every_fault_says_go_around_and_sends_to_exercises_that_there_are():
    codes = {one.code for one in BUILT_IN}
    for one in FAULTS:
        assert str(one.now[-1]) == 'Going around is always right.'
        assert set(one.practise) <= codes
        assert one.causes
    words = ' '.join(str(line) for one in FAULTS for line in one.now)
    assert 'push forward' in words
    assert words.count('push') == words.count('Never push')  # nobody is told to save a landing by pushing


HOME = Shape(name='Lantern Bay 05', length_ft=2_800, width_ft=60, slope_pct=0)


@pytest.mark.parametrize(
    ('here', 'home', 'cues'),
    [
        # [own, geometry; direction pub: AIM 8-1-5] tan γ = tan 3° · W₁/W₀ within a mile, the shape of both far out;
        # 1 % of slope is 0.57° [pub: exact]; feet over a mile of 6,076 ft
        (
            Shape(name='n', length_ft=2_800, width_ft=39, slope_pct=1.4),
            HOME,
            [('width', 1.95, -111), ('length', 1.95, -111), ('slope', 2.2, -85)],
        ),
        (
            Shape(name='w', length_ft=2_800, width_ft=84, slope_pct=-1),
            HOME,
            [('width', 4.2, 127), ('length', 4.2, 127), ('slope', 3.57, 61)],
        ),
        # near and far disagree: what is flown low comes first
        (
            Shape(name='s', length_ft=2_790, width_ft=60, slope_pct=0),
            Shape(name='big', length_ft=6_500, width_ft=100, slope_pct=0),
            [('width', 1.8, -127), ('length', 4.19, 127)],
        ),
        # width and slope would cancel: both are said
        (
            Shape(name='c', length_ft=2_800, width_ft=78, slope_pct=1.6),
            HOME,
            [('slope', 2.09, -97), ('width', 3.9, 96), ('length', 3.9, 96)],
        ),
        # more than half and twice deceives nobody
        (
            Shape(name='x', length_ft=2_800, width_ft=20, slope_pct=0),
            HOME,
            [('width', 1.5, -159), ('length', 1.5, -159)],
        ),
        (replace(HOME, name='twin'), HOME, []),
    ],
)
def test_each_cue_deceives_apart_and_the_one_that_is_flown_low_comes_first(here, home, cues):
    found = illusions(here, home=home)
    assert [one.cue for one in found] == [cue for cue, *_ in cues]
    for one, (_, flown_deg, off_ft) in zip(found, cues, strict=True):
        assert one.flown_deg == pytest.approx(flown_deg, abs=0.05)
        assert one.off_ft == pytest.approx(off_ft, abs=3)
    said = [str(words) for words in illusion_words(here, home=home)]
    assert ('much as at' in said[0]) is (not cues)
    if cues:
        assert ('feel high' in said[0] or 'too high' in said[0]) is (cues[0][2] < 0)
        assert '320 ft a mile' in said[-1]


def test_width_and_slope_that_deceive_the_same_way_are_added_and_the_gates_follow_the_lights():
    here = Shape(name='wide', length_ft=2_800, width_ft=84, slope_pct=-1, path_angle_deg=4.0)
    said = [str(words) for words in illusion_words(here, home=HOME)]
    assert 'flown at 4.2°, 130 ft high a mile out. With the slope on top of it 4.8°, 190 ft high' in said[0]
    assert '420 ft a mile' in said[-1]
    against = str(illusion_words(replace(here, slope_pct=1.6), home=HOME))
    assert 'on top of it' not in against
