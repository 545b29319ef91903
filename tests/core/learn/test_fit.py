import dataclasses

import numpy as np
import pytest
from scipy import optimize, stats

from bullseye.core.basis.constants import (
    READ_SD_KT,
    SCATTER_FT,
    SCATTER_SPREAD,
    SPEED_SCATTER_KT,
    SPEED_SCATTER_SPREAD,
)
from bullseye.core.learn import joint
from bullseye.core.learn.fit import calibrate, fit_deceleration, robust_mean
from bullseye.core.learn.joint import Prior, learn
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
        briefed_ktas=62.0,
        float_s=max(0.1, found.float_s + 0.3 * rng.normal()) if timed else None,
    )


KNOWN = Prior(deceleration_fps2=3.2, deceleration_sd_fps2=0.1)  # an aircraft known well


def bias_of(laps):
    return learn(laps, prior=KNOWN).mean[1]


def test_before_any_lap_it_is_the_prior():
    known = calibrate(aircraft_laps=[], pilot_laps=[], prior_deceleration_fps2=3.0)
    assert (known.deceleration_fps2, known.bias_ft, known.scatter_ft) == pytest.approx((3.0, 0.0, SCATTER_FT), rel=0.05)
    # a brief without any belief says the same of a pilot nobody has seen
    assert known.speed_scatter_kt == pytest.approx(SPEED_SCATTER_KT, rel=0.1)
    assert known.scatter_spread == pytest.approx(SCATTER_SPREAD, abs=0.08)
    assert known.speed_scatter_spread == pytest.approx(SPEED_SCATTER_SPREAD, abs=0.08)
    assert known.bias_sd_ft == pytest.approx(150)
    assert (known.speed_habit_kt, known.speed_habit_sd_kt) == pytest.approx((0, 4))


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
    old, new = [fly(rng, bias=0, scatter=40) for _ in range(22)], [fly(rng, bias=200, scatter=40) for _ in range(8)]
    assert bias_of(old + new) > 1.4 * bias_of(new + old) > 0  # the same laps, in another order
    shares = joint.share_of_laps(30)
    assert list(shares[-10:]) == [1.0] * 10  # those of a lesson tell alike
    assert shares[0] == pytest.approx(0.5 ** (20 / 16))
    assert shares[19] == pytest.approx(0.5 ** (1 / 16))


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
    monkeypatch.setattr(joint, '_HALF_LIFE_LAPS', 1e9)
    rng = np.random.default_rng(8)
    laps = [fly(rng, deceleration=3.05, bias=80, scatter=60, speed=v, timed=False) for v in rng.uniform(56, 70, 60)]
    laps = [dataclasses.replace(lap, briefed_ktas=None) for lap in laps]  # the speed stands as it was read
    ours = learn(laps, prior=Prior(deceleration_fps2=3.2, deceleration_sd_fps2=30.0, bias_sd_ft=1e4))

    def rest(p):
        return [
            lap.touchdown_from_aim_ft
            - p[1]
            - predict(dataclasses.replace(lap.approach, deceleration_fps2=p[0])).touchdown_ft
            for lap in laps
        ]

    theirs = optimize.least_squares(rest, [3.2, 0.0]).x
    assert ours.mean[0] == pytest.approx(theirs[0], abs=0.15)
    assert ours.mean[1] == pytest.approx(theirs[1], abs=0.35 * np.sqrt(ours.covariance[1, 1]))


@pytest.mark.parametrize('scatter', [25.0, 90.0, 260.0])
def test_the_scatter_is_that_of_the_laps_whatever_the_bias(scatter):
    found = []
    for seed in range(12):
        rng = np.random.default_rng(seed)
        laps = [fly(rng, bias=170, scatter=scatter) for _ in range(24)]
        found.append(learn(laps, prior=KNOWN).scatter_ft)
    # the speed that is read wrong by a knot is no scatter of the pilot's
    assert abs(np.median(found) - scatter) < max(0.3 * scatter, 55)


@pytest.mark.parametrize('reads', [True, False])
@pytest.mark.parametrize('habit_kt', [6.0, -3.0])
def test_a_speed_habit_is_in_the_forecast_after_few_laps_read_or_not(reads, habit_kt):
    off_kt, off_ft = [], []
    for seed in range(40):
        rng = np.random.default_rng(seed)
        laps = []
        for _ in range(3):
            speed = 62 + habit_kt + 1.5 * rng.normal()
            seen = fly(rng, speed=speed, scatter=60, timed=False)
            approach_seen = seen.approach if reads else dataclasses.replace(seen.approach, speed_ktas=62.0)
            laps.append(dataclasses.replace(seen, approach=approach_seen, speed_is_known=reads))
        found = learn(laps, prior=KNOWN)
        off_kt.append(found.mean[2] - habit_kt)
        slope = predict(approach(speed_ktas=63)).touchdown_ft - predict(approach(speed_ktas=62)).touchdown_ft
        # bias and habit together say how far the next one lands, even where they are not told apart
        off_ft.append(found.mean[1] + slope * (found.mean[2] - habit_kt))
    assert abs(np.mean(off_ft)) < 60
    if reads:
        assert abs(np.mean(off_kt)) < 0.25 * abs(habit_kt)
    together = found.covariance[1, 2] / np.sqrt(found.covariance[1, 1] * found.covariance[2, 2])
    assert (together < -0.5) == (not reads)  # unread, only their sum is known


def test_the_belief_is_that_of_a_posterior_drawn_by_brute_force():
    # independent: 400,000 draws from the priors, each weighed by its exact likelihood (importance sampling)
    rng = np.random.default_rng(21)
    laps = [fly(rng, speed=66 + 2 * rng.normal(), bias=90, scatter=80, timed=False) for _ in range(6)]
    laps[2] = dataclasses.replace(
        laps[2], speed_is_known=False, approach=dataclasses.replace(laps[2].approach, speed_ktas=62.0)
    )
    prior = Prior(
        deceleration_fps2=3.2,
        deceleration_sd_fps2=0.3,
        scatter_ft=120.0,
        speed_scatter_kt=2.6,
        scatter_spread=0.5,
        speed_scatter_spread=0.5,
    )
    count = 400_000
    a = prior.deceleration_fps2 + prior.deceleration_sd_fps2 * rng.normal(size=count)
    b = prior.bias_sd_ft * rng.normal(size=count)
    m = prior.habit_sd_kt * rng.normal(size=count)
    s = prior.scatter_ft * np.exp(0.5 * rng.normal(size=count))
    sv = prior.speed_scatter_kt * np.exp(0.5 * rng.normal(size=count))
    log = np.zeros(count)
    scale = np.sqrt(3 / 5)  # of Student's t with five degrees of freedom and that standard deviation
    for i, lap in enumerate(laps):
        share = 0.5 ** (max(0, len(laps) - 10 - i) / joint._HALF_LIFE_LAPS)
        per_kt = (
            predict(dataclasses.replace(lap.approach, speed_ktas=lap.approach.speed_ktas + 0.5)).touchdown_ft
            - predict(dataclasses.replace(lap.approach, speed_ktas=lap.approach.speed_ktas - 0.5)).touchdown_ft
        )
        there = [
            predict(dataclasses.replace(lap.approach, deceleration_fps2=x)).touchdown_ft
            for x in (2.0, 2.6, 3.2, 3.8, 4.4)
        ]
        expected = np.polyval(np.polyfit((2.0, 2.6, 3.2, 3.8, 4.4), there, 4), np.clip(a, 2.0, 4.4)) + b
        variance, covariance, read_variance = s**2 + (per_kt * sv) ** 2, per_kt * sv**2, sv**2 + READ_SD_KT**2
        off_kt = lap.approach.speed_ktas - 62.0 if lap.speed_is_known else 0.0
        expected = expected + per_kt * (m - off_kt)  # at the speed flown, which nobody knows
        if lap.speed_is_known:
            # the landing, given the reading: the two are jointly normal, with the speed in common
            expected = expected + covariance / read_variance * (off_kt - m)
            variance = variance - covariance**2 / read_variance
            log += share * stats.t.logpdf(off_kt, df=5, loc=m, scale=np.sqrt(read_variance) * scale)
        log += share * stats.t.logpdf(lap.touchdown_from_aim_ft, df=5, loc=expected, scale=np.sqrt(variance) * scale)
    weight = np.exp(log - log.max())
    weight /= weight.sum()
    theirs = np.array([weight @ a, weight @ b, weight @ m])
    spreads = np.sqrt([weight @ a**2, weight @ b**2, weight @ m**2] - theirs**2)
    ours = learn(laps, prior=prior)
    assert np.abs(ours.mean - theirs) / spreads == pytest.approx([0, 0, 0], abs=0.3)
    assert np.sqrt(np.diag(ours.covariance)) / spreads == pytest.approx([1, 1, 1], abs=0.25)
    assert np.log(ours.scatter_ft) == pytest.approx(weight @ np.log(s), abs=0.2)
    assert np.log(ours.speed_scatter_kt) == pytest.approx(weight @ np.log(sv), abs=0.2)


def _bound(lap, side, place_ft):
    name = 'least_from_aim_ft' if side == 1 else 'most_from_aim_ft'
    return dataclasses.replace(lap, touchdown_from_aim_ft=None, **{name: place_ft})


@pytest.mark.parametrize('side', [1, -1])
def test_a_go_around_counts_as_far_as_a_censored_landing_does(side, monkeypatch):
    # independent: the posterior of the bias by numerical integration, all else known
    monkeypatch.setattr(joint, '_HALF_LIFE_LAPS', 1e9)
    monkeypatch.setattr(joint, '_SCATTERS_FT', np.array([90.0]))
    monkeypatch.setattr(joint, '_SPEED_SCATTERS_KT', np.array([0.001]))
    monkeypatch.setattr(joint, 'READ_SD_KT', 0.001)
    known = dataclasses.replace(KNOWN, deceleration_sd_fps2=1e-4, habit_sd_kt=1e-4)
    one = FlownLap(
        approach=approach(speed_ktas=62.0), touchdown_from_aim_ft=0.0, speed_is_known=True, briefed_ktas=62.0
    )
    model_ft = predict(one.approach).touchdown_ft
    for off_ft in (-60.0, 40.0, 170.0):
        ours = learn([_bound(one, side, model_ft + off_ft)], prior=known)
        biases = np.linspace(-900, 900, 20_001)
        post = stats.norm.pdf(biases / 150) * stats.norm.cdf(side * (biases - off_ft) / 90)
        post /= post.sum()
        sd = np.sqrt(post @ (biases - post @ biases) ** 2)
        assert ours.mean[1] == pytest.approx(biases[post.argmax()], abs=3)  # the mode, as of every normal reckoning
        assert np.sqrt(ours.covariance[1, 1]) == pytest.approx(sd, rel=0.15)


def test_a_go_around_that_contradicts_everything_pulls_no_harder_than_a_wild_lap():
    rng = np.random.default_rng(9)
    laps = [fly(rng, scatter=50) for _ in range(6)]
    before = bias_of(laps)
    odd = _bound(laps[-1], 1, predict(laps[-1].approach).touchdown_ft + 3_000)
    assert 0 < bias_of([*laps, odd]) - before < 150
