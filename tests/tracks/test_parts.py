"""The parts of the analysis on their own, on signals whose answer is known."""

from __future__ import annotations

import math
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bullseye.core.basis.constants import FPS_PER_KT
from bullseye.tracks.airwind import find_wind
from bullseye.tracks.alike import expected_of_each, slowing_like, touching_alike
from bullseye.tracks.analyse import analyse
from bullseye.tracks.contact import Contact, find_contact, speed_evidence, with_prior, with_speed
from bullseye.tracks.contactmodels import Noise, Prior, Samples
from bullseye.tracks.fields import Runway, near, runways_of
from bullseye.tracks.grounded import without_ground_zeros
from bullseye.tracks.landing import nose_lowered_s
from bullseye.tracks.liftoff import HeightNoise, find_liftoff
from bullseye.tracks.motion import Motion, height_wander_ft, motion_about
from bullseye.tracks.offset import Ties, surface_under
from bullseye.tracks.passes import find_passes, judge, stretches
from bullseye.tracks.smooth import quantum
from bullseye.tracks.track import Track, make_track

from .making import DAY, LANTERN

START = 1_778_747_400.0
RUNWAYS = runways_of(LANTERN, on=DAY)
MAIN = RUNWAYS[0]  # 05: 2,790 ft, level
FINE = Noise(along_ft=0.1, speed_fps=0.05, height_ft=0.05, height_drift_ft=0.0, surface_ft=0.05)
ROUGH = Noise(along_ft=1.5, speed_fps=0.42, height_ft=1.5, height_drift_ft=1.8)
USUAL = Prior(touchdown_fps=78.0, touchdown_sd_fps=10.0)


def landing(
    *,
    touch_s: float = 20.0,
    float_s: float = 5.0,
    drag: float = 3.2,
    roll: float = 2.0,
    step_s: float = 0.2,
    offset_ft: float = 0.0,
) -> Samples:
    """Final at 100 ft/s and 5 ft/s of sink, a roundout of 1.5 s, a sink through 2 ft, an unbraked roll."""
    t = np.arange(0.0, touch_s + 7.0, step_s)
    level, start = touch_s - float_s, touch_s - float_s - 1.5
    speed = 100.0 - drag * np.clip(t - start, 0, touch_s - start) - roll * np.maximum(t - touch_s, 0)
    hold = 2.0 * np.clip((touch_s - np.maximum(t, level)) / float_s, 0, 1)
    arc = 5.0 * np.clip(level - t, 0, 1.5) ** 2 / 3.0
    height = np.where(t < touch_s, hold + arc + 5.0 * np.maximum(start - t, 0), 0.0) + offset_ft
    along = np.concatenate([[0.0], np.cumsum((speed[1:] + speed[:-1]) / 2 * step_s)])
    return Samples(time_s=t, along_ft=along, speed_fps=speed, height_ft=height, sink_fps=5.0, approach_fps=100.0)


def found(samples: Samples, noise: Noise = FINE, prior: Prior = USUAL, *, around_s: float = 20.0) -> Contact:
    return find_contact(
        samples, low_s=around_s - 12, earliest_s=around_s - 8, latest_s=around_s + 6, noise=noise, prior=prior
    )


@settings(max_examples=25, deadline=None)
@given(st.floats(1.5, 8.0), st.floats(2.4, 4.0), st.floats(1.2, 2.6), st.floats(-300, 300))
def test_a_touchdown_is_found_whatever_the_float_drag_roll_and_offset(
    float_s: float, drag: float, roll: float, offset_ft: float
) -> None:
    contact = found(landing(float_s=float_s, drag=drag, roll=roll, offset_ft=offset_ft))
    assert contact.time_s == pytest.approx(20.0, abs=0.45)
    assert contact.level_s == pytest.approx(20.0 - float_s, abs=1.0)
    assert contact.ground_ft == pytest.approx(offset_ft, abs=0.4)
    assert abs(contact.time_s - 20.0) <= contact.half_width_s + 0.25


def test_the_fit_gives_speed_deceleration_and_roundout_too() -> None:
    contact = found(landing())
    assert contact.speed_fps == pytest.approx(100 - 3.2 * 6.5, abs=1.5)
    assert contact.deceleration_fps2 == pytest.approx(3.2, abs=0.2)
    assert contact.roundout_s == pytest.approx(13.5, abs=0.7)
    assert 0 < contact.sink_fps < 1.2


def test_noise_widens_the_interval_and_keeps_the_truth_inside() -> None:
    inside = []
    for seed in range(12):
        rng = np.random.default_rng(seed)
        clean = landing(step_s=1.0)
        wander = np.cumsum(rng.normal(0, 1.8, clean.time_s.size))
        noisy = replace(
            clean,
            speed_fps=clean.speed_fps + rng.normal(0, 0.42, clean.time_s.size),
            height_ft=clean.height_ft + wander + rng.normal(0, 1.5, clean.time_s.size),
        )
        contact = found(noisy, ROUGH)
        assert contact.half_width_s > found(clean).half_width_s
        inside.append(abs(contact.time_s - 20.0) <= contact.half_width_s)
    assert sum(inside) >= 10


@pytest.mark.parametrize('step_s', [0.2, 0.1])
def test_gusts_that_last_do_not_make_a_fine_recorder_sure_of_the_wrong_moment(step_s: float) -> None:
    """Five fixes a second see one gust five times: that is no more than having seen it once."""
    inside = []
    for seed in range(24):
        rng = np.random.default_rng(seed)
        clean = landing(step_s=step_s, float_s=7.0, roll=2.2)
        keep = math.exp(-step_s / 3.0)
        gust, gusts = 0.0, []
        for kick in rng.normal(0, 0.7 * math.sqrt(1 - keep**2), clean.time_s.size):
            gust = gust * keep + kick
            gusts.append(gust)
        in_air = clean.time_s < 20.0
        wander = np.cumsum(rng.normal(0, 1.8 * math.sqrt(step_s), clean.time_s.size))
        noisy = replace(
            clean,
            speed_fps=clean.speed_fps + np.where(in_air, gusts, 0.0) + rng.normal(0, 0.42, clean.time_s.size),
            height_ft=clean.height_ft + wander + rng.normal(0, 1.5, clean.time_s.size),
        )
        contact = found(noisy, ROUGH)
        inside.append(abs(contact.time_s - 20.0) <= 1.2 * contact.half_width_s)
    assert sum(inside) >= 19


def test_without_heights_the_change_of_deceleration_tells() -> None:
    samples = landing(roll=0.8)
    blind = replace(samples, height_ft=np.full(samples.time_s.size, np.nan))
    contact = found(blind, replace(FINE, height_ft=None))
    assert contact.time_s == pytest.approx(20.0, abs=1.2)
    assert contact.ground_ft is None
    assert math.isnan(contact.sink_fps)


def test_without_speeds_places_tell() -> None:
    samples = landing()
    silent = replace(samples, speed_fps=np.full(samples.time_s.size, np.nan))
    assert found(silent, replace(FINE, speed_fps=None)).time_s == pytest.approx(20.0, abs=0.5)


def unsure(seed: int = 3, roll: float = 3.0) -> Samples:
    """Of a landing that slows down nearly alike in the air and on the wheels, once a second, its height wandering."""
    rng = np.random.default_rng(seed)
    samples = landing(step_s=1.0, roll=roll)
    return replace(samples, height_ft=samples.height_ft + np.cumsum(rng.normal(0, 1.8, samples.time_s.size)))


def test_knowing_the_touchdown_speed_moves_an_unsure_moment_towards_it() -> None:
    """What is weighed anew agrees with a search that had known it from the start."""
    before = found(unsure(), ROUGH)

    def when(fps: float, sd_fps: float) -> Contact:
        return with_prior(before, replace(USUAL, touchdown_fps=fps, touchdown_sd_fps=sd_fps))

    slower, faster = when(before.speed_fps - 6, 2.0), when(before.speed_fps + 6, 2.0)
    assert faster.time_s < before.time_s < slower.time_s
    assert faster.speed_fps > before.speed_fps > slower.speed_fps
    known = replace(USUAL, touchdown_fps=before.speed_fps + 3, touchdown_sd_fps=3.0, roll_fps2=3.0, roll_sd_fps2=0.3)
    anew, at_once = with_prior(before, known), found(unsure(), ROUGH, known)
    assert anew.time_s == pytest.approx(at_once.time_s, abs=0.35)
    assert anew.roll_sd_fps2 == pytest.approx(at_once.roll_sd_fps2, rel=0.15)
    assert with_prior(before, USUAL).time_s == pytest.approx(before.time_s, abs=1e-6)


def test_chances_of_the_speed_weigh_as_the_prior_they_are() -> None:
    before = found(unsure(), ROUGH)
    grid = np.arange(30.0, 130.0, 0.25)
    chances = np.exp(-0.5 * ((grid - 74.0) / 2.5) ** 2)
    told = with_speed(before, grid, chances / chances.sum())
    same = with_prior(before, replace(USUAL, touchdown_fps=74.0, touchdown_sd_fps=2.5))
    assert told.time_s == pytest.approx(same.time_s, abs=0.05)
    assert told.speed_fps == pytest.approx(same.speed_fps, abs=0.2)
    assert told.speed_sd_fps == pytest.approx(same.speed_sd_fps, rel=0.1)
    assert told.deceleration_fps2 == pytest.approx(same.deceleration_fps2, abs=0.05)
    evidence = speed_evidence(before, grid)  # with the old prior it gives the old speed again
    usual = evidence * np.exp(-0.5 * ((grid - USUAL.touchdown_fps) / USUAL.touchdown_sd_fps) ** 2)
    assert float(usual @ grid / usual.sum()) == pytest.approx(before.speed_fps, abs=0.2)


def test_what_other_laps_tell_of_a_speed_is_what_counting_every_case_tells() -> None:
    """Against the sum over all speeds of all laps and of the flight, which three laps on a coarse grid allow."""
    grid = np.arange(60.0, 100.0, 2.0)
    rng = np.random.default_rng(4)
    evidence = [
        np.exp(-0.5 * ((grid - m) / 2) ** 2) + 0.7 * np.exp(-0.5 * ((grid - n) / 3) ** 2)
        for m, n in rng.uniform(65, 95, (3, 2))
    ]
    before = -0.5 * ((grid - 80.0) / 8.0) ** 2
    expected = np.zeros((3, grid.size))
    for scatter in (1.5, 3.0, 4.5):
        apart = np.exp(-0.5 * ((grid[:, None] - grid) / scatter) ** 2) / scatter  # [flight, lap]
        for lap in range(3):
            one, other = (evidence[k] for k in range(3) if k != lap)
            joint = np.einsum('f,fv,fa,a,fb,b->v', np.exp(before), apart, apart, one, apart, other)
            expected[lap] += joint
    expected /= expected.sum(axis=1, keepdims=True)
    assert np.allclose(expected_of_each(evidence, grid, before), expected, atol=1e-9)


def test_laps_tell_each_other_how_fast_this_aeroplane_touches_and_how_it_slows_down() -> None:
    alone = [found(unsure(seed, roll), ROUGH) for seed, roll in ((3, 3.0), (5, 1.2), (7, 1.2))]
    sure = found(landing(), FINE)
    together = touching_alike([alone[0], sure, sure], USUAL)
    assert abs(together[0].time_s - 20.0) < abs(alone[0].time_s - 20.0)
    assert together[0].half_width_s < alone[0].half_width_s
    assert together[1].time_s == pytest.approx(sure.time_s, abs=0.05)
    other = found(landing(drag=2.6, roll=1.2), FINE)
    like = slowing_like(alone[1], [other] * 3)
    assert abs(like.deceleration_fps2 - 2.6) < abs(alone[1].deceleration_fps2 - 2.6)
    assert like.roll_sd_fps2 < alone[1].roll_sd_fps2
    single = slowing_like(alone[2], [])  # nobody to learn from: only the scatter from lap to lap is added
    assert single.time_s == pytest.approx(alone[2].time_s, abs=0.1)


def test_the_nose_that_comes_down_bounds_the_touchdown() -> None:
    alone = found(unsure(), ROUGH)
    told, late = (found(replace(unsure(), nose_s=nose_s), ROUGH) for nose_s in (20.8, 28.0))
    assert alone.time_s > 22.0  # the height that wandered says so
    assert told.time_s < 21.8
    assert told.half_width_s < alone.half_width_s
    assert late.time_s > alone.time_s + 0.5


@pytest.mark.parametrize(
    ('pitch_deg', 'lowered_s'),
    [
        ([1, 1, 3, 5, 7, 7, 7, 1, 0, 0], 6.5),  # held up, then lowered
        ([1, 1, 3, 5, 7, 7, 2, 7, 7, 7], None),  # up again: a hop, or a gust
        ([1, 1, 3, 5, 7, 7, 7, 6, 6, 6], None),  # never lowered while it was watched
        ([math.nan] * 10, None),
    ],
)
def test_the_nose_is_lowered_when_it_stays_down(pitch_deg: list[float], lowered_s: float | None) -> None:
    assert nose_lowered_s(np.arange(10.0), np.array(pitch_deg), -1.0) == lowered_s


def test_moments_in_the_wrong_order_are_refused() -> None:
    with pytest.raises(ValueError, match='after the earliest'):
        find_contact(landing(), low_s=8, earliest_s=20, latest_s=20, noise=FINE, prior=USUAL)


@pytest.mark.parametrize(('white_ft', 'wander_ft'), [(0.05, 0.0), (1.5, 0.0), (0.4, 1.8)])
def test_a_lift_off_is_found_where_the_climb_begins(white_ft: float, wander_ft: float) -> None:
    t = np.arange(0.0, 20.0, 0.25)
    since = np.maximum(t - 11.0, 0.0)
    noise = HeightNoise(white_ft=white_ft, wander_ft=wander_ft, step_ft=0.0)
    off, sds = [], []
    for seed in range(60):
        rng = np.random.default_rng(seed)
        climb_fps, gentle_s, share = rng.normal(7, 2), rng.uniform(1.5, 3.5), rng.uniform(0.78, 0.88)
        height = 400 + climb_fps * np.where(since < gentle_s, since**2 / 2 / gentle_s, since - gentle_s / 2)
        speed = 90 * np.minimum(1, share * t / 11)
        walk = np.cumsum(rng.normal(0, wander_ft * 0.5, t.size))
        moment, sd = find_liftoff(
            t, height + rng.normal(0, white_ft, t.size) + walk, speed, noise=noise, earliest_s=5.0, latest_s=17.0
        )
        off.append(moment - 11.0)
        sds.append(sd)
    assert abs(np.mean(off)) < 0.2 + 0.25 * (white_ft + wander_ft)
    assert np.std(off) < 0.1 + 0.35 * white_ft + 0.5 * wander_ft
    held = np.mean(np.abs(off) <= 1.96 * np.array(sds))
    assert held > 0.88
    if wander_ft:  # a height that wanders is not taken for a sure one, nor for none
        assert 0.4 < np.median(sds) < 1.6


@pytest.mark.parametrize(
    ('heights_ft', 'on_ground'),
    [
        # leaps to 0 from the 520 ft that the field reads, and back: a touch-and-go
        ([900, 775, 650, 575, 0, 0, 550, 625, 750, 900, 1_000, 700, 600, 0, 0, 0], [4, 5, 13, 14, 15]),
        # a field that reads 0: a height like any other, of fixes close together
        ([90, 70, 55, 40, 25, 10, 0, 0, 10, 25, 40, 60, 45, 30, 15, 0, 0, 0], []),
        # a field that reads -90: 0 is passed through on the way down and up, and stands for the ground below it
        (
            [150, 100, 50, 0, -50, -75, 0, 0, -75, -50, 0, 50, 100, 50, 0, -50, -75, 0, 0, 0],
            [6, 7, 17, 18, 19],
        ),
        # never on the ground, lowest at 0
        ([300, 200, 100, 50, 0, 0, 0, 50, 100, 200, 300, 400, 450, 500, 500, 500], []),
    ],
)
def test_heights_of_0_that_say_that_the_wheels_are_down(heights_ft: list[float], on_ground: list[int]) -> None:
    height = np.array(heights_ft, float)
    count = height.size
    flies = np.full(count, 65.0)
    if not (height[-3:] == 500).all():
        flies[-3:] = (40.0, 9.0, 0.0)
    step_s = 5.0 if height.min() < 0 or height[3] > 500 else 1.5
    track = replace(along_the_runway(np.arange(count) * 100.0, np.zeros(count), height, step_s), speed_kt=flies)
    found = without_ground_zeros(track)
    assert np.flatnonzero(found.on_ground == 1.0).tolist() == on_ground
    assert np.flatnonzero(~np.isfinite(found.height_ft)).tolist() == on_ground
    assert any('wheels' in words for words in found.warnings) == bool(on_ground)


def along_the_runway(along_ft: np.ndarray, lateral_ft: np.ndarray, height_ft: np.ndarray, step_s: float = 1.0) -> Track:
    """A track given on the axes of the main runway."""
    frame = MAIN.frame
    places = [frame.place(along_ft=a, lateral_ft=b) for a, b in zip(along_ft, lateral_ft, strict=True)]
    return make_track(
        format='csv',
        time_s=START + np.arange(along_ft.size) * step_s,
        lat_deg=np.array([one[0] for one in places]),
        lon_deg=np.array([one[1] for one in places]),
        height_ft=height_ft,
    )


def motion(track: Track) -> Motion:
    return motion_about(track, lat_deg=MAIN.frame.threshold_lat_deg, lon_deg=MAIN.frame.threshold_lon_deg)


def test_a_pass_over_the_runway_lies_on_its_axes() -> None:
    along = np.arange(-9_500.0, 4_000.0, 100.0)
    moved = motion(along_the_runway(along, np.full(along.size, 12.0), np.full(along.size, 300.0)))
    (one,) = find_passes(moved, RUNWAYS)
    assert one.runway.end.ident == '05'
    assert one.lateral_ft == pytest.approx(12, abs=1)
    mine, lateral = moved.along(MAIN)
    assert np.allclose(mine, along, atol=2.0)
    assert np.allclose(lateral, 12.0, atol=1.0)
    assert moved.off_course(MAIN)[50] < 0.01
    assert moved.off_course(RUNWAYS[1])[50] > 3.1  # the other way


def test_beside_across_or_far_from_it_is_no_pass() -> None:
    along = np.arange(-3_000.0, 4_000.0, 100.0)
    for track in (
        along_the_runway(along, np.full(along.size, 900.0), np.full(along.size, 300.0)),
        along_the_runway(np.full(along.size, 1_300.0), along, np.full(along.size, 300.0)),
        along_the_runway(along + 30_000, np.full(along.size, 0.0), np.full(along.size, 300.0)),
    ):
        assert [one for one in find_passes(motion(track), RUNWAYS) if one.runway.end.ident in ('05', '23')] == []


@pytest.mark.parametrize(
    ('slowest_fps', 'dip_s', 'height_ft', 'sd_ft', 'kind'),
    [
        (70.0, 6.0, 0.0, 2.0, 'touch_and_go'),
        (96.0, 6.0, 30.0, 2.0, 'airborne'),
        (88.0, 3.0, 0.0, 2.0, 'touch_and_go'),
        (88.0, 3.0, 25.0, 2.0, 'airborne'),
        (82.0, 3.0, 0.0, 9.0, 'touch_and_go'),
        (82.0, 12.0, 0.0, 9.0, 'airborne'),  # nothing rolls for ten seconds at one speed
        (82.0, 12.0, 0.0, 2.0, 'touch_and_go'),  # but where the height is sure it tells
        (64.0, 10.0, 0.0, 9.0, 'touch_and_go'),  # and where it is slower than it could fly
    ],
)
def test_wheels_on_the_runway_or_not_by_speed_and_height(
    slowest_fps: float, dip_s: float, height_ft: float, sd_ft: float, kind: str
) -> None:
    seconds = np.arange(0.0, 90.0)
    dip = np.exp(-0.5 * ((seconds - 55) / dip_s) ** 2)
    along = np.concatenate([[-5_000.0], -5_000 + np.cumsum(100.0 - (100.0 - slowest_fps) * dip)[:-1]])
    path = np.maximum(np.abs(along - 600) * 0.06 - 30, 0.0)
    moved = motion(along_the_runway(along, np.zeros(along.size), 38.0 + height_ft + path))
    (one,) = [found for found in find_passes(moved, RUNWAYS) if found.runway.end.ident == '05']
    judged = judge(moved, one, height_offset_ft=0.0, offset_sd_ft=sd_ft)
    assert judged.kind == kind
    assert judged.approach_fps == pytest.approx(100, abs=4)


def test_stretches_are_joined_over_short_breaks() -> None:
    mask = np.array([0, 1, 1, 0, 1, 0, 0, 0, 1, 1], dtype=bool)
    times = np.arange(10.0)
    assert stretches(mask, times, bridge_s=3.0) == [(1, 4), (8, 9)]
    assert stretches(mask, times, bridge_s=5.0) == [(1, 9)]
    assert stretches(np.zeros(4, dtype=bool), times[:4], bridge_s=5.0) == []


def test_the_offset_is_sure_at_its_ties_and_less_so_between() -> None:
    ties = Ties(wander_ft=1.5)
    assert math.isnan(ties.at(0.0)[0])
    assert ties.at(0.0)[1] == math.inf
    ties.add(0.0, 50.0, 1.0)
    ties.add(400.0, 70.0, 1.0)
    assert ties.at(0.0)[0] == pytest.approx(50, abs=0.5)
    assert ties.at(400.0)[0] == pytest.approx(70, abs=0.5)
    middle = ties.at(200.0)
    assert middle[0] == pytest.approx(60, abs=0.5)
    assert middle[1] > 5 * ties.at(1.0)[1]
    assert ties.at(400.0, but_not_s=400.0)[0] == pytest.approx(50)
    assert np.allclose(ties.along(np.array([0.0, 200.0, 900.0])), [50, 60, 70])


def test_the_ground_under_the_wheels_is_that_of_the_nearest_runway() -> None:
    along = np.linspace(-800.0, 3_400.0, 50)
    surface, away = surface_under(motion(along_the_runway(along, np.full(50, 100.0), np.full(50, 40.0))), [MAIN])
    assert np.all(surface == pytest.approx(38))  # level, and level beyond its ends
    assert away[25] == pytest.approx(70, abs=2)  # beside the edge of 60 ft of pavement
    assert away[0] > 700


def test_wandering_is_measured_while_standing() -> None:
    rng = np.random.default_rng(2)
    still = np.full(900, 500.0)
    for wander in (0.0, 1.0, 3.0):
        height = 38 + np.cumsum(rng.normal(0, max(wander, 1e-9), 900)) + rng.normal(0, 0.5, 900)
        moved = motion(along_the_runway(still, np.zeros(900), height))
        assert height_wander_ft(moved, np.full(900, np.nan)) == pytest.approx(wander, abs=0.2 + 0.3 * wander)


def test_the_step_of_rounded_heights_is_seen() -> None:
    heights = 300 * np.sin(np.arange(600) / 60)
    assert quantum(np.round(heights / 3.28) * 3.28) == pytest.approx(3.28)
    assert quantum(heights) == 0.0
    assert quantum(np.zeros(3)) == 0.0


@pytest.mark.parametrize(('from_deg', 'speed_kt'), [(60.0, 12.0), (250.0, 20.0), (0.0, 0.0)])
def test_the_wind_of_steady_turns_is_found(from_deg: float, speed_kt: float) -> None:
    """Circles at 80 kt in moving air, with straight stretches between."""
    seconds = np.arange(0.0, 600.0, 1.0)
    turning = (seconds % 100) > 55
    heading = np.cumsum(np.where(turning, np.radians(6.0), 0.0))
    wind = np.radians(from_deg + 180)
    vn = 80 * np.cos(heading) + speed_kt * np.cos(wind)
    ve = 80 * np.sin(heading) + speed_kt * np.sin(wind)
    north, east = np.cumsum(vn) * FPS_PER_KT, np.cumsum(ve) * FPS_PER_KT
    track = make_track(
        format='csv',
        time_s=START + seconds,
        lat_deg=47.0 + north / 364_900,
        lon_deg=-38.0 + east / (364_900 * math.cos(math.radians(47))),
        height_ft=np.full(seconds.size, 1_000.0),
        speed_kt=np.hypot(vn, ve),
        course_deg_true=np.degrees(np.arctan2(ve, vn)) % 360,
    )
    winds = find_wind(motion_about(track, lat_deg=47.0, lon_deg=-38.0))
    assert winds
    for one in winds:
        off_n = one.speed_kt * math.cos(math.radians(one.from_deg_true)) - speed_kt * math.cos(math.radians(from_deg))
        off_e = one.speed_kt * math.sin(math.radians(one.from_deg_true)) - speed_kt * math.sin(math.radians(from_deg))
        assert math.hypot(off_n, off_e) < 1.5
        assert one.sd_kt >= 2.0
        assert one.along_kt(one.from_deg_true) == pytest.approx(one.speed_kt)


def test_straight_flight_tells_no_wind() -> None:
    along = np.arange(0.0, 60_000.0, 140.0)
    assert find_wind(motion(along_the_runway(along, np.zeros(along.size), np.full(along.size, 900.0)))) == []


def test_only_runways_that_were_come_near_are_looked_at() -> None:
    far: list[Runway] = [replace(MAIN, frame=replace(MAIN.frame, threshold_lat_deg=10.0))]
    track = along_the_runway(np.arange(0.0, 3_000.0, 100.0), np.zeros(30), np.zeros(30))
    assert near([MAIN, *far], lat_deg=track.lat_deg, lon_deg=track.lon_deg) == [MAIN]


@pytest.mark.parametrize('count', [5, 6, 9, 40])
@pytest.mark.parametrize('gap_s', [1.0, 30.0])
def test_a_short_track_without_heights_is_looked_at_without_a_word_on_standard_error(
    count: int, gap_s: float, capfd: pytest.CaptureFixture[str]
) -> None:
    # warnings are errors in the tests: a mean of nothing would fail here
    steps = np.arange(count)
    track = make_track(
        format='csv',
        time_s=START + gap_s * steps,
        lat_deg=47.2 + 2e-4 * steps,
        lon_deg=-38.4 + 2e-4 * steps,
    )
    assert [event.kind for event in analyse(track, RUNWAYS).events] == []
    assert capfd.readouterr().err == ''
