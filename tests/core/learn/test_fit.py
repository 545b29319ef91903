import dataclasses

import numpy as np
import pytest
from scipy import optimize

from bullseye.core.learn.fit import Estimate, calibrate, fit_deceleration, fit_pilot, robust_mean
from bullseye.core.measure.flown import FlownLap
from bullseye.core.model.touchdown import predict
from tests.core.making import approach


def fly(rng, *, deceleration=3.2, bias=0.0, scatter=0.0, speed=None, timed=True):
    """A lap flown by the model with a known habit; the float is timed to 0.3 s and the speed read to a knot."""
    true = approach(speed_ktas=speed or 62 + 1.5 * rng.normal(), deceleration_fps2=deceleration, headwind_kt=6)
    found = predict(true)
    return FlownLap(
        approach=dataclasses.replace(true, speed_ktas=true.speed_ktas + rng.normal(), deceleration_fps2=3.2),
        touchdown_from_aim_ft=found.touchdown_ft + bias + scatter * rng.normal(),
        speed_is_known=True,
        float_s=max(0.1, found.float_s + 0.3 * rng.normal()) if timed else None,
    )


KNOWN = Estimate(mean=3.2, sd=0.1, weights=np.empty(0))  # an aircraft known well


def bias_of(laps):
    return fit_pilot(laps, deceleration=KNOWN).bias.mean


def test_before_any_lap_it_is_the_prior():
    known = calibrate(aircraft_laps=[], pilot_laps=[], prior_deceleration_fps2=3.0)
    assert (known.deceleration_fps2, known.bias_ft, known.scatter_ft) == pytest.approx((3.0, 0.0, 140))
    assert known.bias_sd_ft == 150


def test_known_habits_are_recovered_within_the_stated_interval():
    inside_a = inside_bias = 0
    for seed in range(60):
        rng = np.random.default_rng(seed)
        a, bias = rng.uniform(2.6, 3.9), rng.uniform(-150, 200)
        laps = [fly(rng, deceleration=a, bias=bias, scatter=70) for _ in range(12)]
        known = calibrate(aircraft_laps=laps, pilot_laps=laps, prior_deceleration_fps2=3.2)
        inside_a += abs(known.deceleration_fps2 - a) <= 2 * known.deceleration_sd_fps2
        inside_bias += abs(known.bias_ft - bias) <= 2 * known.bias_sd_ft
    # 95 % intervals: of 60 runs at least 54, the 5th percentile of a binomial
    assert inside_a >= 54
    assert inside_bias >= 54


def test_one_wild_lap_moves_the_bias_by_less_than_a_third_of_its_error():
    rng = np.random.default_rng(7)
    for count in (1, 2, 5, 12):
        laps = [fly(rng, scatter=60) for _ in range(count)]
        before = bias_of(laps)
        for wild_ft in (450, 900, 2_000):
            wild = dataclasses.replace(laps[-1], touchdown_from_aim_ft=laps[-1].touchdown_from_aim_ft + wild_ft)
            assert abs(bias_of([*laps, wild]) - before) < wild_ft / 3


def test_what_the_pilot_does_lately_counts_more():
    rng = np.random.default_rng(3)
    old, new = [fly(rng, bias=0, scatter=40) for _ in range(8)], [fly(rng, bias=200, scatter=40) for _ in range(4)]
    assert bias_of(old + new) > 2 * bias_of(new + old) > 0  # the same laps, in another order


def test_the_robust_mean_agrees_with_a_general_library():
    # independent: the same posterior maximised by SciPy; Student's t with 4 degrees of freedom and a normal prior
    rng = np.random.default_rng(11)
    values = np.append(rng.normal(120, 60, 15), 900.0)
    sds = np.full(16, 100.0)

    def minus_log_posterior(mean):
        # below the point where belief is capped at one a value counts as normal: the same influence, integrated
        z = (values - mean) / sds
        capped = np.where(np.abs(z) <= 1, z**2 / 2, 0.5 + 2.5 * np.log((4 + z**2) / 5))
        return capped.sum() + ((mean - 0) / 150) ** 2 / 2

    theirs = optimize.minimize_scalar(minus_log_posterior, bounds=(0, 400), method='bounded').x
    ours = robust_mean(list(values), list(sds), prior_mean=0, prior_sd=150)
    assert ours.mean == pytest.approx(theirs, abs=0.5)
    assert ours.weights[-1] < 0.15  # the wild one is hardly believed


def test_laps_that_were_not_timed_teach_nothing_about_deceleration():
    rng = np.random.default_rng(5)
    untimed = fit_deceleration([fly(rng, deceleration=2.5, timed=False) for _ in range(9)])
    assert untimed.mean == 3.2
    assert fit_deceleration([fly(rng, deceleration=2.5) for _ in range(9)]).mean == pytest.approx(2.55, abs=0.15)


def test_deceleration_is_learned_from_touchdowns_at_different_speeds_without_a_watch():
    inside = 0
    for seed in range(40):
        rng = np.random.default_rng(seed)
        a, bias = rng.uniform(2.6, 3.8), rng.uniform(-100, 150)
        speeds = rng.uniform(55, 70, 25)
        laps = [fly(rng, deceleration=a, bias=bias, scatter=50, speed=v, timed=False) for v in speeds]
        known = calibrate(aircraft_laps=[], pilot_laps=laps, prior_deceleration_fps2=3.2)
        assert known.deceleration_sd_fps2 < 0.5  # they have taught something: the prior alone is 0.6
        inside += abs(known.deceleration_fps2 - a) <= 1.96 * known.deceleration_sd_fps2
    assert inside >= 35  # of 40 at 95 %: the 5th percentile of a binomial is 36, less one for the read speed's error


def test_with_weak_priors_and_no_wild_lap_it_is_the_plain_regression(monkeypatch):
    # independent: ordinary least squares by SciPy, over the same laps with equal weights
    from bullseye.core.learn import fit as calibration

    monkeypatch.setattr(calibration, '_HALF_LIFE_LAPS', 1e9)
    monkeypatch.setattr(calibration, 'BIAS_SD_FT', 1e6)
    rng = np.random.default_rng(8)
    laps = [fly(rng, deceleration=2.9, bias=80, scatter=25, speed=v, timed=False) for v in rng.uniform(56, 70, 40)]
    ours = fit_pilot(laps, deceleration=Estimate(mean=3.2, sd=1e3, weights=np.empty(0)))

    def rest(p):
        return [
            lap.touchdown_from_aim_ft
            - p[1]
            - predict(dataclasses.replace(lap.approach, deceleration_fps2=p[0])).touchdown_ft
            for lap in laps
        ]

    theirs = optimize.least_squares(rest, [3.2, 0.0]).x
    assert (ours.deceleration.mean, ours.bias.mean) == pytest.approx(tuple(theirs), rel=0.01)


@pytest.mark.parametrize('scatter', [25.0, 90.0, 260.0])
def test_the_scatter_is_that_of_the_laps_whatever_the_bias(scatter):
    found = []
    for seed in range(12):
        rng = np.random.default_rng(seed)
        laps = [fly(rng, bias=170, scatter=scatter) for _ in range(24)]
        found.append(fit_pilot(laps, deceleration=KNOWN).scatter_ft)
    # speeds are read to a knot, some 45 ft; the prior of 140 ft counts as three laps of the last few
    seen = np.hypot(scatter, 45)
    assert min(seen, 140) - 25 < np.median(found) < max(seen, 140) + 15
    assert abs(np.median(found) - seen) < abs(140 - seen) + 5
