"""Laps from tracks, against the truth of simulated flights; the simulator shares no code with the analysis."""

from __future__ import annotations

import json
import math
from dataclasses import replace

import numpy as np
import pytest
from scipy.ndimage import gaussian_filter1d
from scipy.signal import lfilter

from bullseye.sim.recorder import GNSS, HEARD_ON_GROUND, Recorder, Recording, record
from bullseye.sim.scenarios import any_field
from bullseye.sim.writers import write
from bullseye.tracks.analyse import Analysis, analyse
from bullseye.tracks.fields import runways_of
from bullseye.tracks.known import Known
from bullseye.tracks.readers import read_track
from bullseye.tracks.report import as_dict, as_text, events_geojson, iso
from tests.core.scene import LONGITUDE_DEG

from .making import (
    DAY,
    LANTERN,
    analysed,
    flown,
    flown_at,
    kept_flight,
    made_up,
    of_kind,
    recorded,
    runways,
    scene_field,
    scene_flight,
    truths,
)

FAST = {'rate_hz': 10.0, 'gnss': False}


def touchdowns_match(analysis: Analysis, recording: Recording, *, within_ft: float) -> None:
    """As many touchdowns as there were, in order, each near its truth."""
    true = [event for event in recording.truth['events'] if event['kind'] == 'touchdown']
    found = of_kind(analysis, 'touchdown')
    assert [event.runway for event in found] == [event['runway'] for event in true]
    for event, truth in zip(found, true, strict=True):
        assert event.along_ft == pytest.approx(truth['along_ft'], abs=within_ft)
        assert event.time_s == pytest.approx(recording.start.timestamp() + truth['time_s'], abs=within_ft / 60)


@pytest.mark.parametrize('form', ['gpx', 'nmea', 'csv'])
def test_a_lesson_in_the_pattern(form: str) -> None:
    recording = recorded(flown('pattern'), **FAST)
    found = analysed(flown('pattern'), recording, form=form, known=Known(spots_ft={'05': 300.0}))
    touchdowns_match(found, recording, within_ft=12)  # such fine heights show the touch itself
    assert [event.then for event in of_kind(found, 'touchdown')] == ['touch_and_go'] * 4 + ['full_stop']
    assert len(of_kind(found, 'takeoff')) == 5
    assert len(found.laps) == 5
    for event, truth in zip(of_kind(found, 'touchdown'), truths(flown('pattern'), 'touchdown'), strict=True):
        assert event.from_spot_ft == pytest.approx(event.along_ft - 300)
        assert event.lateral_ft == pytest.approx(truth['lateral_ft'], abs=3)
        assert event.groundspeed_kt == pytest.approx(truth['groundspeed_kt'], abs=1.5)
        assert event.final.threshold_groundspeed_kt == pytest.approx(truth['threshold_groundspeed_kt'], abs=1.0)
        assert event.hold_off.float_ft == pytest.approx(truth['float_ft'], abs=130)
        assert event.airspeed_kt is None  # nothing was recorded of it
        assert event.crab_deg is None
        assert event.uncertainty_ft < 12
        assert event.final.threshold_height_ft == pytest.approx(truth['threshold_height_ft'], abs=1.5)
        assert event.hold_off.roundout_start_ft == pytest.approx(truth['roundout_start_ft'], abs=80)
    for event, truth in zip(of_kind(found, 'takeoff'), truths(flown('pattern'), 'takeoff'), strict=True):
        assert event.along_ft == pytest.approx(truth['along_ft'], abs=60)


def test_heights_in_whole_metres_are_taken_for_what_they_are() -> None:
    """IGC: the last feet cannot be seen, so the touchdown is less sharp, and said to be."""
    flight = flown('pattern')
    found = of_kind(analysed(flight, recorded(flight, **FAST), form='igc'), 'touchdown')
    errors = [
        abs(event.along_ft - truth['along_ft']) for event, truth in zip(found, truths(flight, 'touchdown'), strict=True)
    ]
    assert np.median(errors) < 90
    sharp = of_kind(analysed(flight, recorded(flight, **FAST)), 'touchdown')
    assert np.mean([e.uncertainty_ft for e in found]) > 1.4 * np.mean([e.uncertainty_ft for e in sharp])


def test_once_a_second_with_the_errors_of_a_receiver() -> None:
    """Accuracy over hundreds of flights is measured in bench/tracks.py; here the same on a few."""
    errors, inside = [], []
    for seed in (3, 4, 5):
        flight = flown('pattern', seed)
        found = analysed(flight, recorded(flight, seed=seed), form='nmea')
        true = truths(flight, 'touchdown')
        assert len(of_kind(found, 'touchdown')) == len(true)
        for event, truth in zip(of_kind(found, 'touchdown'), true, strict=True):
            errors.append(abs(event.along_ft - truth['along_ft']))
            inside.append(errors[-1] <= event.uncertainty_ft)
    assert np.median(errors) < 60
    assert max(errors) < 250
    assert np.mean(inside) > 0.8


def test_a_known_aircraft_sharpens_what_the_track_leaves_open() -> None:
    """The simulated aeroplane touches down at 49.5 kt and slows by 3.2 ft/s² in the hold-off."""
    plain, helped, inside = [], [], []
    for seed in (3, 4, 5, 6):
        flight = flown('pattern', seed)
        recording = recorded(flight, seed=seed)
        (blind, told) = (
            of_kind(analysed(flight, recording, known=known), 'touchdown')
            for known in (Known(), Known(touchdown_kcas=49.5, deceleration_fps2=3.2, deceleration_sd_fps2=0.3))
        )
        for truth, a, b in zip(truths(flight, 'touchdown'), blind, told, strict=True):
            plain.append(a.uncertainty_ft)
            helped.append(b.uncertainty_ft)
            inside.append(abs(b.along_ft - truth['along_ft']) <= b.uncertainty_ft)
    assert np.mean(helped) < np.mean(plain)
    assert np.mean(inside) > 0.8


def test_airspeed_heading_and_attitude_are_used_where_recorded() -> None:
    flight = flown('gusty')
    found = analysed(flight, recorded(flight, **FAST, with_airspeed=True, with_attitude=True))
    for event, truth in zip(of_kind(found, 'touchdown'), truths(flight, 'touchdown'), strict=True):
        assert event.airspeed_kt == pytest.approx(truth['airspeed_kt'], abs=3.5)
        assert event.crab_deg == pytest.approx(truth['crab_deg'], abs=2)
        assert event.drift_kt == pytest.approx(truth['drift_kt'], abs=0.8)


def test_places_alone_are_enough() -> None:
    recording = recorded(flown('pattern'), rate_hz=5.0, gnss=False, with_speed=False)
    found = analysed(flown('pattern'), recording)
    touchdowns_match(found, recording, within_ft=90)


def test_without_heights_touchdowns_are_found_by_speed_and_said_to_be_unsure() -> None:
    recording = recorded(flown('full-stop'), rate_hz=1.0, gnss=False)
    blind = replace(read_track(write(recording, 'csv').encode()), height_ft=np.full(recording.time_s.size, np.nan))
    found = analyse(blind, runways(flown('full-stop')))
    (event,) = of_kind(found, 'touchdown')
    (truth,) = truths(flown('full-stop'), 'touchdown')
    assert abs(event.along_ft - truth['along_ft']) < event.uncertainty_ft + 60
    assert event.final.threshold_height_ft is None
    assert event.sink_fpm is None
    assert event.final.aim_flown_ft is None
    assert any('no heights' in words for words in found.warnings)


def test_go_arounds_from_any_height_are_no_landings() -> None:
    for options in (FAST, {'rate_hz': 1.0}):
        found = analysed(flown('go-arounds'), recorded(flown('go-arounds'), **options))
        assert [event.kind for event in found.events] == ['takeoff', 'go_around', 'go_around', 'go_around', 'touchdown']
        for event, truth in zip(of_kind(found, 'go_around'), truths(flown('go-arounds'), 'go_around'), strict=True):
            assert event.along_ft == pytest.approx(truth['along_ft'], abs=500)


def test_every_way_a_lap_can_end() -> None:
    found = analysed(flown('mixed'), recorded(flown('mixed'), **FAST))
    ends = [found.events[lap.end] for lap in found.laps]
    assert [event.kind for event in ends] == ['touchdown', 'go_around', 'low_approach', 'touchdown', 'touchdown']
    assert [event.then for event in ends if event.kind == 'touchdown'] == ['touch_and_go', 'stop_and_go', 'full_stop']
    assert ends[2].lowest_ft == pytest.approx(18, abs=3)  # flown 18 ft above the runway
    stop = found.laps[4]
    assert found.events[stop.takeoff].kind == 'takeoff'
    assert found.events[stop.takeoff].liftoff_roll_ft == pytest.approx(
        truths(flown('mixed'), 'takeoff')[-1]['liftoff_roll_ft'], abs=130
    )


def test_taxiing_is_not_flying() -> None:
    for options in (FAST, {'rate_hz': 1.0}):
        found = analysed(flown('taxi'), recorded(flown('taxi'), **options))
        assert found.events == ()
        assert found.laps == ()
        assert 'No takeoff' in as_text(found)


def test_a_flight_that_begins_and_one_that_ends_in_the_air() -> None:
    found = analysed(flown('straight-in'), recorded(flown('straight-in'), **FAST))
    assert [event.kind for event in found.events] == ['touchdown']
    assert found.laps[0].side == 'straight_in'
    assert found.laps[0].takeoff is None
    recording = recorded(flown('pattern'), **FAST)
    cut = recording.between(recording.time_s < truths(flown('pattern'), 'touchdown')[0]['time_s'] - 40)
    assert [event.kind for event in analysed(flown('pattern'), cut).events] == ['takeoff']


def test_a_circle_for_spacing_is_part_of_its_lap() -> None:
    found = analysed(flown('spacing'), recorded(flown('spacing'), **FAST))
    assert len(found.laps) == 2
    assert sum(turn.to_s - turn.from_s > 30 for turn in found.laps[1].turns) >= 1


def test_a_change_of_runway() -> None:
    recording = recorded(flown('runway-change'), rate_hz=1.0)
    found = analysed(flown('runway-change'), recording)
    assert [event.runway for event in of_kind(found, 'touchdown')] == ['05', '05', '23', '23']
    assert {lap.side for lap in found.laps} == {'left', 'right'}


@pytest.mark.parametrize('kind', ['parallel', 'crossing'])
def test_runways_close_together_are_told_apart(kind: str) -> None:
    field = any_field(np.random.default_rng(11), parallel=kind == 'parallel', crossing=kind == 'crossing')
    idents = [one.end.ident for one in runways_of(field, on=DAY)]
    assert len(idents) == 4
    for ident in (idents[0], idents[2]):
        flight = flown_at(field, 'full-stop', seed=2, runway=ident)
        found = analyse(read_track(write(recorded(flight), 'gpx').encode()), runways_of(field, on=DAY))
        assert {event.runway for event in found.events} == {ident}
        assert len(of_kind(found, 'touchdown')) == 1


@pytest.mark.parametrize('field', ['cair', 'gann'])
def test_high_sloping_and_short_grass(field: str) -> None:
    flight = flown('full-stop', 3, field)
    recording = recorded(flight, **FAST)
    touchdowns_match(analysed(flight, recording), recording, within_ft=60)


def test_across_the_date_line_in_the_south_below_the_sea() -> None:
    moved = json.loads(json.dumps(LANTERN))
    shift_lon, shift_lat = 179.999 - LANTERN['features'][0]['geometry']['coordinates'][0], -80.2
    for feature in moved['features']:
        places = feature['geometry']['coordinates']
        if feature['geometry']['type'] == 'Point':
            feature['geometry']['coordinates'] = [_wrapped(places[0] + shift_lon), places[1] + shift_lat]
        else:
            feature['geometry']['coordinates'] = [[_wrapped(a + shift_lon), b + shift_lat] for a, b in places]
        properties = feature['properties']
        for part in (properties, *properties.get('ends', ())):
            for name in ('elevation_ft', 'pattern_altitude_ft'):
                if name in part:
                    part[name] -= 250
    flight = flown_at(moved, 'full-stop', seed=3)
    recording = recorded(flight, **FAST)
    assert recording.lon_deg.min() < 0 < recording.lon_deg.max()
    touchdowns_match(analysed(flight, recording), recording, within_ft=60)


def _wrapped(lon: float) -> float:
    return (lon + 180) % 360 - 180


def test_a_gap_over_the_touchdown_gives_an_interval() -> None:
    truth = truths(flown('full-stop'), 'touchdown')[0]
    options = {'dropouts': [(truth['time_s'] - 3, truth['time_s'] + 3)]}
    found = analysed(flown('full-stop'), recorded(flown('full-stop'), **FAST, **options))
    whole = analysed(flown('full-stop'), recorded(flown('full-stop'), **FAST))
    (event,), (sharp,) = of_kind(found, 'touchdown'), of_kind(whole, 'touchdown')
    assert event.in_gap
    assert not sharp.in_gap
    assert event.uncertainty_ft > 1.5 * sharp.uncertainty_ft
    assert abs(event.along_ft - truth['along_ft']) < event.uncertainty_ft + 30
    assert any('gap' in words for words in found.warnings)


def test_a_landing_away_from_any_known_runway_is_reported_as_such() -> None:
    flight = flown('full-stop')
    track = read_track(write(recorded(flight), 'gpx').encode())
    other = runways_of(any_field(np.random.default_rng(1)), on=DAY)
    for known in ([], other):
        found = analyse(track, known)
        lift, event = found.events
        assert (lift.kind, event.kind) == ('takeoff', 'touchdown')
        assert lift.runway is event.runway is None
        assert lift.along_ft is event.along_ft is None
        assert event.course_deg_true == pytest.approx(38, abs=6)  # the runway's
        assert any('away from any known runway' in words for words in found.warnings)
        assert 'no known runway' in as_text(found)


@pytest.mark.parametrize('seed', [3, 4])
def test_touch_and_goes_on_no_known_runway_are_told_by_the_landing_that_ends_them(seed: int) -> None:
    flight = flown('pattern', seed)
    recording = recorded(flight)
    found = analyse(read_track(write(recording, 'gpx').encode()), [])
    begun = recording.start.timestamp()
    for kind in ('touchdown', 'takeoff'):
        told = [event.time_s - begun for event in of_kind(found, kind)]
        assert told == pytest.approx([event['time_s'] for event in truths(flight, kind)], abs=4)
    assert {(event.field, event.runway, event.along_ft) for event in found.events} == {(None, None, None)}
    assert len([words for words in found.warnings if 'away from any known' in words]) == 1


@pytest.mark.parametrize('rate_hz', [0.2, 0.1])
def test_fixes_far_apart_are_never_told_on_a_wrong_runway_and_say_that_they_are_coarse(rate_hz: float) -> None:
    found_ft, all_of_them = [], 0
    for seed in (20_008, 20_011, 20_013):
        flight = made_up(seed)
        recording = recorded(flight, rate_hz=rate_hz)
        found = analysed(flight, recording)
        begun, true = recording.start.timestamp(), truths(flight, 'touchdown')
        runway = true[0]['runway']
        assert {event.runway for event in found.events} <= {runway}
        assert any('s apart' in words and 'each second' in words for words in found.warnings)
        for truth in true:
            near = [one for one in of_kind(found, 'touchdown') if abs(one.time_s - begun - truth['time_s']) < 12]
            all_of_them += 1
            found_ft += [(one.along_ft - truth['along_ft'], one.uncertainty_ft) for one in near[:1]]
    assert len(found_ft) >= 0.8 * all_of_them
    errors, stated = np.abs(found_ft).T
    assert np.median(errors) < 220
    assert np.mean(errors <= stated) > 0.85
    assert np.all(stated < 900)
    fine = analysed(made_up(20_008), recorded(made_up(20_008)))
    assert not any('s apart' in words for words in fine.warnings)


@pytest.mark.parametrize(('rate_hz', 'step_ft'), [(10.0, 0.0), (1.0, 0.0), (1.0, 25.0), (0.2, 0.0)])
def test_lift_offs_are_where_they_were_within_what_is_said(rate_hz: float, step_ft: float) -> None:
    told = []
    for seed in range(20_020, 20_028):
        flight = made_up(seed)
        errors = replace(GNSS, height_step_ft=step_ft)
        recording = record(flight, Recorder(rate_hz=rate_hz, errors=errors), np.random.default_rng(seed))
        found, begun = analysed(flight, recording), recording.start.timestamp()
        for truth in truths(flight, 'takeoff'):
            near = [one for one in of_kind(found, 'takeoff') if abs(one.time_s - begun - truth['time_s']) < 12]
            told += [(one.along_ft - truth['along_ft'], one.uncertainty_ft) for one in near[:1]]
    off, stated = np.abs(told).T
    assert len(told) >= 20
    assert 0.85 <= np.mean(off <= stated) <= 1.0
    assert np.median(stated) < (200 if rate_hz >= 1 and not step_ft else 420)  # not held by saying anything at all
    assert np.median(off) < (80 if rate_hz >= 1 and not step_ft else 160)


def test_what_is_heard_on_the_ground_tells_landings_by_the_heights_that_stop() -> None:
    """A fix each 5 s, barometric steps of 25 ft, 0 with the wheels on the ground [com]."""
    heard = Recorder(rate_hz=0.2, errors=HEARD_ON_GROUND, zero_on_ground=True)
    off, stated = [], []
    for seed in (20_031, 20_032, 20_033):
        flight = made_up(seed)
        recording = record(flight, heard, np.random.default_rng(seed))
        found, begun = analysed(flight, recording), recording.start.timestamp()
        assert any('wheels were on the ground' in words for words in found.warnings)
        true, there = truths(flight, 'touchdown'), of_kind(found, 'touchdown')
        assert [event.runway for event in there] == [event['runway'] for event in true]
        assert [event.time_s - begun for event in there] == pytest.approx([one['time_s'] for one in true], abs=6)
        off += [abs(event.along_ft - one['along_ft']) for event, one in zip(there, true, strict=True)]
        stated += [event.uncertainty_ft for event in there]
    assert np.mean(np.array(off) <= np.array(stated)) > 0.8
    assert np.median(off) < 200


def test_approaches_broken_off_are_told_though_no_height_is_tied_to_the_ground() -> None:
    heard = Recorder(rate_hz=0.2, errors=HEARD_ON_GROUND, zero_on_ground=True)
    told = there = 0
    for seed in (20_041, 20_043):
        flight = kept_flight(seed, broken_off=True, parallel=True)
        recording = record(flight, heard, np.random.default_rng(seed))
        found, begun = analysed(flight, recording), recording.start.timestamp()
        assert not of_kind(found, 'touchdown')
        for truth in flight.events:
            assert truth['kind'] == 'go_around'
            near = [one for one in of_kind(found, 'go_around') if abs(one.time_s - begun - truth['time_s']) < 30]
            there, told = there + 1, told + bool(near)
            assert all(one.runway in (truth['runway'], None) for one in near)
            assert all(one.lowest_ft is None for one in near)  # nothing says how high the field reads
    assert there == 8
    assert told >= 6


@pytest.mark.parametrize(
    ('airspeed_kt', 'wind_kt', 'circle_s'), [(38.0, 21.0, 24.0), (24.0, 17.0, 14.0), (52.0, 33.0, 30.0)]
)
def test_slow_circles_in_a_wind_are_no_landings_and_the_one_that_stays_down_is(
    airspeed_kt: float, wind_kt: float, circle_s: float
) -> None:
    """A glider or hang glider in thermals: against the wind it is slower over the ground than anything taxies."""
    fps = 1.6878
    rng = np.random.default_rng(41)
    time = np.arange(2_400.0)
    circling = time % 600 < 420
    turn = np.where(circling, 2 * np.pi / circle_s, 0.0)
    heading = np.cumsum(turn) + rng.normal(0, 0.02, time.size)
    down = time > 2_100  # it lands, and stays where it stopped
    slowing = np.clip(1 - (time - 2_100) / 12, 0, 1)
    air = airspeed_kt * fps * np.where(down, slowing, 1.0)
    blown = wind_kt * fps * np.where(down, 0.0, 1.0)
    east, north = np.cumsum(air * np.sin(heading) + blown), np.cumsum(air * np.cos(heading))
    climb = np.where(circling, 4.0, -9.0)
    height = 1_400 + np.cumsum(np.where(down, 0.0, climb)) + rng.normal(0, 2, time.size)
    recording = replace(
        recorded(flown('full-stop'), gnss=False, rate_hz=1),
        time_s=time,
        lat_deg=46.8 + north / 364_800,
        lon_deg=9.1 + east / 364_800 / math.cos(math.radians(46.8)),
        height_ft=height,
        speed_kt=np.hypot(np.gradient(east), np.gradient(north)) / fps,
        course_deg=np.degrees(np.arctan2(np.gradient(east), np.gradient(north))) % 360,
        truth={'events': []},
    )
    found = analyse(
        read_track(write(recording, 'igc' if circle_s > 20 else 'gpx').encode()), runways(flown('full-stop'))
    )
    assert [event.kind for event in found.events] == ['touchdown']
    assert found.events[0].time_s - recording.start.timestamp() == pytest.approx(2_105, abs=15)
    flying = replace(
        recording,
        **{name: getattr(recording, name)[:2_095] for name in ('time_s', 'lat_deg', 'lon_deg', 'height_ft')},
        speed_kt=recording.speed_kt[:2_095],
        course_deg=recording.course_deg[:2_095],
    )
    assert not analyse(read_track(write(flying, 'gpx').encode()), runways(flown('full-stop'))).events


def test_hops_after_a_touch_are_counted_and_the_first_touch_is_taken() -> None:
    flight = flown('bouncing')
    found = analysed(flight, recorded(flight, **FAST))
    true = truths(flight, 'touchdown')
    counted = [
        (event.bounces, truth['bounces']) for event, truth in zip(of_kind(found, 'touchdown'), true, strict=True)
    ]
    assert sum(a == b for a, b in counted) >= len(counted) - 1
    assert sum(b for _, b in counted) >= 2
    errors = [abs(e.along_ft - t['along_ft']) for e, t in zip(of_kind(found, 'touchdown'), true, strict=True)]
    assert max(errors) < 15


def test_smoothed_heights_that_wander_are_not_taken_for_fine_ones() -> None:
    """Without white noise they look as good as surveyed; the ± must not believe them."""
    inside = []
    for seed in (3, 4, 5):
        flight = flown('pattern', seed)
        recording = recorded(flight, rate_hz=1.0, gnss=False, seed=seed)
        kicks = np.random.default_rng(seed).normal(0, 12 * math.sqrt(2 / 90), recording.time_s.size)
        wander = lfilter([1], [1, -math.exp(-1 / 90)], kicks)
        smoothed = gaussian_filter1d(recording.height_ft + wander, 1.0)
        found = of_kind(analysed(flight, replace(recording, height_ft=smoothed)), 'touchdown')
        for event, truth in zip(found, truths(flight, 'touchdown'), strict=True):
            inside.append(abs(event.along_ft - truth['along_ft']) <= event.uncertainty_ft)
    assert np.mean(inside) > 0.85


def test_once_a_second_a_hop_is_a_rise_from_the_runway() -> None:
    """The first touch of all hops, among them those of which the fixes show only that the aeroplane rose again."""
    inside, errors = [], []
    for seed in (3, 6, 8):
        flight = flown('bouncing', seed)
        found = of_kind(analysed(flight, recorded(flight, rate_hz=1.0, gnss=False, seed=seed)), 'touchdown')
        for event, truth in zip(found, truths(flight, 'touchdown'), strict=True):
            errors.append(abs(event.along_ft - truth['along_ft']))
            inside.append(errors[-1] <= event.uncertainty_ft)
    assert np.median(errors) < 40
    assert np.mean(inside) > 0.5


def test_the_final_as_it_was_flown() -> None:
    found = analysed(flown('pattern'), recorded(flown('pattern'), **FAST))
    for lap in found.laps:
        event = found.events[lap.end]
        assert event.final.path_angle_deg == pytest.approx(3.0, abs=0.6)
        # the aim is where the path met the runway: before the touchdown by roundout and float
        assert 150 < event.along_ft - event.final.aim_flown_ft < 1_200
        assert [gate.height_ft for gate in lap.gates[:3]] == [500, 300, 200]
        assert abs(lap.gates[-1].lateral_ft) < 40
        assert lap.side == 'left'
        assert lap.spacing_ft == pytest.approx(4_500, rel=0.15)
        assert abs(lap.pattern_height_error_ft) < 120


def test_an_overshot_final_and_its_bank_are_seen() -> None:
    wide = analysed(flown('overshooting'), recorded(flown('overshooting'), **FAST))
    tidy = analysed(flown('pattern'), recorded(flown('pattern'), **FAST))
    assert np.median([lap.overshoot_ft for lap in wide.laps]) > 150 + np.median([lap.overshoot_ft for lap in tidy.laps])
    assert max(turn.most_bank_deg for lap in wide.laps for turn in lap.turns) > 24


def test_the_wind_is_told_by_the_turns() -> None:
    found = analysed(flown('pattern'), recorded(flown('pattern')))
    assert found.winds
    for wind in found.winds:
        # flown at 7 kt from 60° at the mast: by its shear 11 kt from 66° at 1,000 ft
        north = wind.speed_kt * np.cos(np.radians(wind.from_deg_true)) - 11.3 * np.cos(np.radians(66))
        east = wind.speed_kt * np.sin(np.radians(wind.from_deg_true)) - 11.3 * np.sin(np.radians(66))
        assert np.hypot(north, east) < 2.5 * wind.sd_kt + 1


def test_airspeed_and_heading_tell_the_wind_better() -> None:
    flight = flown('pattern')
    found = analysed(flight, recorded(flight, with_airspeed=True, with_attitude=True))
    for wind in found.winds:
        assert wind.source == 'airspeed'
        # between 9 kt near the ground and 11.3 at 1,000 ft, veering from 60° to 66°
        assert wind.speed_kt == pytest.approx(10.5, abs=1.6)
        assert wind.from_deg_true == pytest.approx(64, abs=9)


def test_any_flight_anywhere() -> None:
    """Other aeroplanes, students, winds, fields: every landing found, on its runway, none invented."""
    for seed in (501, 502, 503, 504):
        flight = made_up(seed)
        found = analysed(flight, recorded(flight, seed=seed))
        true = truths(flight, 'touchdown')
        assert [event.runway for event in of_kind(found, 'touchdown')] == [event['runway'] for event in true]
        for event, truth in zip(of_kind(found, 'touchdown'), true, strict=True):
            assert event.then == truth['then']
            assert abs(event.along_ft - truth['along_ft']) < 400


def test_the_report_holds_everything_and_no_numbers_json_does_not_know() -> None:
    found = analysed(flown('mixed'), recorded(flown('mixed')))
    data = as_dict(found)
    text = json.dumps(data, allow_nan=False)
    assert json.loads(text) == data
    assert [event['kind'] for event in data['events']] == [event.kind for event in found.events]
    assert data['events'][0]['time'].endswith('Z')
    assert data['laps'][0]['end'] == found.laps[0].end
    places = events_geojson(as_dict(found)['events'])['features']
    assert len(places) == len(found.events)
    assert places[0]['geometry']['coordinates'][0] == pytest.approx(-38.4, abs=0.05)
    assert iso(0.0) == '1970-01-01T00:00:00.000Z'
    table = as_text(found)
    assert table.count('touchdown') == 3
    assert 'stop-and-go' in table


def test_nothing_neutral() -> None:
    """High, sloping, displaced, a right pattern, the wind from the left: each figure with its sign."""
    flight = scene_flight()
    recording = recorded(flight, with_airspeed=True, with_attitude=True, **FAST)
    found = analysed(flight, recording, form='csv', known=Known(spots_ft={'28': 870.0}))
    touchdowns_match(found, recording, within_ft=15)
    for event, truth in zip(of_kind(found, 'touchdown'), truths(flight, 'touchdown'), strict=True):
        assert event.from_spot_ft == pytest.approx(event.along_ft - 870)
        assert event.lateral_ft == pytest.approx(truth['lateral_ft'], abs=2.5)
        assert event.drift_kt == pytest.approx(truth['drift_kt'], abs=0.6)
        assert event.crab_deg == pytest.approx(truth['crab_deg'], abs=1.5)
        assert event.crab_deg < 0  # the nose into the wind
        assert event.airspeed_kt - event.groundspeed_kt == pytest.approx(7.2, abs=2.0)  # of wind and of thin air
        assert event.final.threshold_height_ft == pytest.approx(truth['threshold_height_ft'], abs=1.5)
        assert event.final.threshold_groundspeed_kt == pytest.approx(truth['threshold_groundspeed_kt'], abs=1.0)
        assert event.hold_off.float_s == pytest.approx(truth['float_s'], abs=1.0)
    for event, truth in zip(of_kind(found, 'takeoff'), truths(flight, 'takeoff'), strict=True):
        assert event.along_ft == pytest.approx(truth['along_ft'], abs=40)  # from the landing threshold
        assert event.liftoff_roll_ft == pytest.approx(truth['liftoff_roll_ft'], abs=40)
    assert {lap.side for lap in found.laps} == {'right'}
    for lap in found.laps:
        assert lap.pattern_height_error_ft == pytest.approx(20, abs=60)
        assert 600 < lap.first_turn_height_ft < 1_000  # above the field
    for wind in found.winds:  # at the mast 11 kt from 231°
        assert wind.speed_kt == pytest.approx(16, abs=3)
        assert wind.from_deg_true == pytest.approx(236, abs=9)


def test_seen_in_a_mirror_left_is_right() -> None:
    flight = scene_flight()
    recording = recorded(flight, rate_hz=4.0, gnss=False)
    usual = analysed(flight, recording)
    axis_deg = LONGITUDE_DEG
    field = json.loads(json.dumps(scene_field()))
    for feature in field['features']:
        places = feature['geometry']['coordinates']
        for place in [places] if feature['geometry']['type'] == 'Point' else places:
            place[0] = 2 * axis_deg - place[0]
        for end in feature['properties'].get('ends', ()):
            end['pattern'] = {'left': 'right', 'right': 'left'}[end['pattern']]
    mirrored = replace(
        recording, lon_deg=2 * axis_deg - recording.lon_deg, course_deg=(360 - recording.course_deg) % 360
    )
    seen = analyse(read_track(write(mirrored, 'gpx').encode()), runways_of(field, on=DAY))
    assert [event.kind for event in seen.events] == [event.kind for event in usual.events]
    for event, other in zip(of_kind(seen, 'touchdown'), of_kind(usual, 'touchdown'), strict=True):
        assert event.along_ft == pytest.approx(other.along_ft, abs=4)
        assert event.lateral_ft == pytest.approx(-other.lateral_ft, abs=1)
        assert event.drift_kt == pytest.approx(-other.drift_kt, abs=0.3)
    assert [lap.side for lap in seen.laps] == ['left'] * len(usual.laps)
    for lap, other in zip(seen.laps, usual.laps, strict=True):
        assert lap.spacing_ft == pytest.approx(other.spacing_ft, abs=20)
        assert lap.overshoot_ft == pytest.approx(other.overshoot_ft, abs=3)
