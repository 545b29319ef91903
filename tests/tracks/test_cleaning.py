"""Cleaning and smoothing: what cannot have been flown goes, and the smoother is the one of the books."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import pytest
from geographiclib.geodesic import Geodesic
from hypothesis import given, settings
from hypothesis import strategies as st
from pykalman import KalmanFilter
from scipy.stats import multivariate_normal

from bullseye.core.air.geo import RunwayFrame
from bullseye.tracks.clean import clean, gaps
from bullseye.tracks.evidence import fit_all, whitened
from bullseye.tracks.smooth import smooth, white_noise
from bullseye.tracks.track import Track, UnreadableTrack, make_track

START = 1_778_747_400.0


def straight(count: int = 60, *, step_s: float = 1.0, lat: float = 47.2, lon: float = -38.4) -> Track:
    """100 ft/s to the north, level."""
    seconds = np.arange(count) * step_s
    return make_track(
        format='csv',
        time_s=START + seconds,
        lat_deg=lat + seconds * 100 / 364_800,
        lon_deg=np.full(count, lon),
        height_ft=np.full(count, 900.0),
    )


def test_a_good_track_is_left_as_it_is() -> None:
    track = straight()
    assert clean(track).warnings == ()
    assert np.array_equal(clean(track).lat_deg, track.lat_deg)


@settings(max_examples=30, deadline=None)
@given(st.randoms(use_true_random=False))
def test_disorder_and_repeats_change_nothing(random: object) -> None:
    track = straight()
    order = [*range(60), 5, 5, 17]
    random.shuffle(order)  # type: ignore[attr-defined]
    mended = clean(track.only(np.array(order)))
    assert np.array_equal(mended.time_s, track.time_s)
    assert np.allclose(mended.lat_deg, track.lat_deg)
    assert any('repeated' in words for words in mended.warnings)


def test_jumps_go_and_are_counted() -> None:
    lat = straight().lat_deg.copy()
    lat[[10, 30, 31]] += 0.4
    mended = clean(replace(straight(), lat_deg=lat))
    assert mended.count == 57
    assert any('3 fixes that jumped' in words for words in mended.warnings)


def test_crossing_the_date_line_is_no_jump() -> None:
    seconds = np.arange(40.0)
    track = make_track(
        format='csv',
        time_s=START + seconds,
        lat_deg=np.full(40, -12.0),
        lon_deg=(179.995 + seconds * 3e-4 + 180) % 360 - 180,
    )
    assert clean(track).count == 40


def test_absurd_figures_become_unknown() -> None:
    track = straight()
    height, lat = track.height_ft.copy(), track.lat_deg.copy()
    height[3], lat[7] = 250_000.0, 95.0
    mended = clean(replace(track, height_ft=height, lat_deg=lat, speed_kt=np.full(60, 900.0)))
    assert mended.count == 59
    assert np.isnan(mended.height_ft).sum() == 1
    assert not mended.has('speed_kt')


def test_whole_seconds_of_a_fast_recorder_are_spread() -> None:
    fine = straight(100, step_s=0.1)
    mended = clean(replace(fine, time_s=np.floor(fine.time_s)))
    assert mended.count == 100
    assert np.allclose(mended.time_s, fine.time_s, atol=1e-6)
    assert any('spread evenly' in words for words in mended.warnings)


def test_gaps_are_seen() -> None:
    track = straight()
    keep = np.ones(60, dtype=bool)
    keep[20:40] = False
    assert gaps(track.only(keep).time_s).tolist().count(True) == 1
    assert not gaps(track.time_s).any()


def test_limits() -> None:
    with pytest.raises(UnreadableTrack, match='24 hours'):
        clean(straight(30, step_s=3_500.0))
    with pytest.raises(UnreadableTrack, match='fewer than five'):
        clean(replace(straight(), lat_deg=np.full(60, np.nan)))
    with pytest.raises(UnreadableTrack, match='only 2 fixes'):
        straight(2)


def test_many_places_on_a_runway_at_once_agree_with_geographiclib() -> None:
    """[pub: GeographicLib, geodesics on WGS 84]"""
    frame = RunwayFrame(threshold_lat_deg=-33.9, threshold_lon_deg=179.999, course_deg_true=38.0)
    azimuths, distances = np.linspace(0, 350, 36), np.linspace(20, 4_400, 36)
    places = [Geodesic.WGS84.Direct(-33.9, 179.999, a, d * 0.3048) for a, d in zip(azimuths, distances, strict=True)]
    along, lateral = frame.locate_all(
        lat_deg=np.array([p['lat2'] for p in places]), lon_deg=np.array([p['lon2'] for p in places])
    )
    assert np.allclose(along, distances * np.cos(np.radians(azimuths - 38)), atol=1.0)
    assert np.allclose(lateral, distances * np.sin(np.radians(azimuths - 38)), atol=1.0)


def test_the_smoother_equals_kalman_filter_and_rts_smoother() -> None:
    """A textbook case, place and speed measured [pub: pykalman, a general library of Kalman filters]"""
    rng = np.random.default_rng(4)
    count, dt, agility, place_sd, speed_sd = 120, 0.5, 3.0, 2.0, 0.7
    truth = np.cumsum(np.cumsum(rng.normal(size=count)))
    place = truth + rng.normal(0, place_sd, count)
    speed = np.gradient(truth, dt) + rng.normal(0, speed_sd, count)
    peer = KalmanFilter(
        transition_matrices=np.array([[1, dt], [0, 1]]),
        observation_matrices=np.eye(2),
        transition_covariance=agility * np.array([[dt**3 / 3, dt**2 / 2], [dt**2 / 2, dt]]),
        observation_covariance=np.diag([place_sd**2, speed_sd**2]),
        initial_state_mean=[0, 0],
        initial_state_covariance=np.eye(2) * 1e9,
    )
    mean, covariance = peer.smooth(np.column_stack([place, speed]))
    found = smooth(np.arange(count) * dt, place, place_sd=place_sd, agility=agility, speed=speed, speed_sd=speed_sd)
    assert np.allclose(found.place, mean[:, 0], atol=1e-4)
    assert np.allclose(found.speed, mean[:, 1], atol=1e-4)
    where = [0, 40, 119]
    assert np.allclose(found.spread(where), np.sqrt(covariance[where][:, [0, 1], [0, 1]]), atol=1e-5)


def test_the_smoother_bridges_what_is_missing_and_is_less_sure_there() -> None:
    seconds = np.arange(60.0)
    place = 5 * seconds
    place[25:35] = np.nan
    found = smooth(seconds, place, place_sd=1.0, agility=1.0)
    assert np.allclose(found.place, 5 * seconds, atol=0.01)
    spread = found.spread([10, 30])
    assert spread[1, 0] > 2 * spread[0, 0]


@pytest.mark.parametrize('sd', [0.1, 1.5, 12.0])
def test_white_noise_is_measured_through_motion(sd: float) -> None:
    rng = np.random.default_rng(5)
    seconds = np.arange(0, 600, 0.5)
    signal = 2_000 * np.sin(seconds / 60) + rng.normal(0, sd, seconds.size)
    assert white_noise(signal) == pytest.approx(sd, rel=0.15)
    assert np.isnan(white_noise(np.zeros(4)))


def case(rng: np.random.Generator, models: int) -> tuple[np.ndarray, ...]:
    basis = rng.normal(size=(models, 9, 3))
    return basis, rng.normal(size=9), rng.uniform(0.5, 2, 9), rng.normal(size=3), rng.uniform(0.5, 3, 3)


def test_evidence_is_the_density_of_the_measurements() -> None:
    """Against the marginal normal density [pub: scipy.stats]: differences between models are all that counts."""
    basis, measured, sd, mean, prior_sd = case(np.random.default_rng(6), 5)
    fits = fit_all(basis, measured, sd=sd, prior_mean=mean, prior_sd=prior_sd)
    direct = [multivariate_normal(b @ mean, np.diag(sd**2) + (b * prior_sd**2) @ b.T).logpdf(measured) for b in basis]
    assert np.allclose(fits.log_evidence - fits.log_evidence[0], np.array(direct) - direct[0], atol=1e-9)


def test_what_models_share_can_be_taken_out_first() -> None:
    """Whitened by the shared part, the rest gives the same evidence and values as all together."""
    rng = np.random.default_rng(7)
    own, measured, sd, mean, prior_sd = case(rng, 4)
    shared, shared_mean, shared_sd = rng.normal(size=(9, 2)), rng.normal(size=2), np.array([1.0, 40.0])
    whole = fit_all(
        np.concatenate([np.broadcast_to(shared, (4, 9, 2)), own], axis=2),
        measured,
        sd=sd,
        prior_mean=np.append(shared_mean, mean),
        prior_sd=np.append(shared_sd, prior_sd),
    )
    basis, values, cost = whitened(
        np.stack([shared, shared]),
        measured,
        sd=np.stack([sd, sd]),
        prior_mean=np.stack([shared_mean, shared_mean]),
        prior_sd=shared_sd,
        specific=own.reshape(2, 2, 9, 3),  # two groups of two models
    )
    parts = fit_all(basis, values, sd=np.ones(9), prior_mean=mean, prior_sd=prior_sd)
    assert np.allclose(parts.mean, whole.mean[:, 2:], atol=1e-8)
    evidence = parts.log_evidence - cost
    assert np.allclose(evidence - evidence[0], whole.log_evidence - whole.log_evidence[0], atol=1e-8)
