"""What pilots of a school have in common, against how they were drawn, and what it is worth to the next one."""

import dataclasses
import math

import numpy as np
import pytest
from scipy import optimize, stats

from bullseye.core.learn.fit import calibrate
from bullseye.core.learn.joint import learn
from bullseye.core.learn.population import Population, _pooled_scatter, from_other_kinds, learn_population, pooled
from bullseye.core.measure.flown import FlownLap
from bullseye.core.model.touchdown import predict
from tests.core.making import approach


def pilot(rng, *, bias_ft, habit_kt, scatter_ft, speed_sd_kt=2.0, laps=8, reads=True):
    found = []
    for _ in range(laps):
        speed = 62 + habit_kt + speed_sd_kt * rng.normal()
        true = approach(speed_ktas=speed, headwind_kt=5)
        read = speed + 1.2 * rng.normal()
        found.append(
            FlownLap(
                approach=dataclasses.replace(true, speed_ktas=read if reads else 62.0),
                touchdown_from_aim_ft=predict(true).touchdown_ft + bias_ft + scatter_ft * rng.normal(),
                speed_is_known=reads,
                briefed_ktas=62.0,
            )
        )
    return found


def school(rng, count, *, bias=(90.0, 50.0), habit=(3.0, 2.0), scatter=(80.0, 0.25)):
    return [
        pilot(
            rng,
            bias_ft=rng.normal(*bias),
            habit_kt=rng.normal(*habit),
            scatter_ft=scatter[0] * np.exp(scatter[1] * rng.normal()),
            reads=number % 4 != 0,
        )
        for number in range(count)
    ]


def test_a_school_is_recovered_and_little_of_it_is_ours():
    found = learn_population(school(np.random.default_rng(4), 80))
    # each pilot's is known to 80 ft: the mean of 80 to about 11; where they land at the speed they fly, since how much
    # a knot moves them is learned from the same landings
    slope = predict(approach(speed_ktas=63)).touchdown_ft - predict(approach(speed_ktas=62)).touchdown_ft
    assert found.bias_ft + (found.speed_effect - 1) * slope * found.habit_kt == pytest.approx(90, abs=28)
    assert found.habit_kt == pytest.approx(3.0, abs=0.6)
    assert found.scatter_ft == pytest.approx(80, rel=0.2)  # of eight laps each, whose scatters are known to a third
    assert found.bias_sd_ft == pytest.approx(50, abs=28)  # four pilots of ours, who differ by 150, are among them
    assert found.habit_sd_kt == pytest.approx(2.0, abs=0.6)
    assert 0.15 < found.scatter_spread < 0.42
    assert found.pilots == 80


@pytest.mark.parametrize('true', [0.8, 1.0, 1.25])
def test_how_landings_change_with_speed_is_learned_from_the_school_and_not_from_the_reading_of_the_speed(true):
    rng = np.random.default_rng(11)
    pilots = []
    for _ in range(120):
        faster, bias_ft = rng.normal(2, 3), rng.normal(60, 80)
        laps = []
        for _ in range(8):
            off = faster + 2.2 * rng.normal()
            at, still = (predict(approach(speed_ktas=62 + x, headwind_kt=5)).touchdown_ft for x in (off, 0.0))
            laps.append(
                FlownLap(
                    approach=approach(speed_ktas=62 + off + 1.25 * rng.normal(), headwind_kt=5),
                    touchdown_from_aim_ft=still + true * (at - still) + bias_ft + 90 * rng.normal(),
                    speed_is_known=True,
                    briefed_ktas=62.0,
                )
            )
        pilots.append(laps)
    found = learn_population(pilots)
    assert found.speed_effect == pytest.approx(true, abs=0.09)
    assert found.bias_ft == pytest.approx(60, abs=25)  # at the briefed speed, though they fly faster
    known = calibrate(aircraft_laps=(), pilot_laps=pilots[0], prior_deceleration_fps2=3.2, population=found)
    assert known.speed_effect == found.speed_effect  # and goes with every belief of its pilots


def test_before_anybody_flew_it_is_ours_and_few_move_it_little():
    assert learn_population([]) == Population()
    few = learn_population(school(np.random.default_rng(5), 2))
    assert 0 < few.bias_ft < 60
    assert few.bias_sd_ft > 70  # two alike do not make all alike


def test_the_prior_that_each_was_learned_under_is_taken_out_again():
    # laps alone say 70 ft, known to a factor e^0.3; under the wide prior of 150 ft, e^1.2, that is drawn towards it
    alone, wide = (math.log(70), 0.3**-2), (math.log(150), 1.2**-2)
    drawn = (alone[0] * alone[1] + wide[0] * wide[1]) / (alone[1] + wide[1])
    known = [(math.exp(drawn), (alone[1] + wide[1]) ** -0.5)] * 2_000
    for ours_ft in (90.0, 150.0, 260.0):
        found, _ = _pooled_scatter(known, learned_from=150.0, median=ours_ft, spread=0.5)
        assert found == pytest.approx(70, rel=0.01)
    assert math.exp(drawn) > 71  # what would be taken without


def test_the_pooled_figures_are_the_mode_of_the_posterior():
    # independent: the same hierarchical posterior maximised by SciPy over mean and variance
    rng = np.random.default_rng(6)
    variances = rng.uniform(20, 80, 12) ** 2
    values = rng.normal(120, 60, 12) + np.sqrt(variances) * rng.normal(size=12)

    def minus_log(p):
        mean, between = p[0], np.exp(p[1])
        ours = stats.norm.logpdf(mean, 0, 150 / np.sqrt(4))  # four pilots like ours
        spread = -(4 / 2) * p[1] - 4 * 150**2 / (2 * between)
        return -(stats.norm.logpdf(values, mean, np.sqrt(between + variances)).sum() + ours + spread)

    theirs = optimize.minimize(minus_log, [50.0, np.log(100**2)], method='Nelder-Mead').x
    mean, sd = pooled(values, variances, mean=0.0, sd=150.0)
    assert mean == pytest.approx(theirs[0], abs=0.5)
    assert sd == pytest.approx(np.exp(theirs[1] / 2), rel=0.01)


def test_a_new_student_of_a_school_that_is_always_long_starts_better_than_at_zero():
    rng = np.random.default_rng(7)
    known = learn_population(school(rng, 40, bias=(160.0, 40.0)))
    off_ours, off_known = [], []
    for _ in range(40):
        bias_ft = rng.normal(160, 40)
        laps = pilot(rng, bias_ft=bias_ft, habit_kt=rng.normal(3, 2), scatter_ft=80, laps=2)
        given = {'aircraft_laps': [], 'pilot_laps': laps, 'prior_deceleration_fps2': 3.2}
        off_ours.append(abs(calibrate(**given).bias_ft - bias_ft))
        off_known.append(abs(calibrate(**given, population=known).bias_ft - bias_ft))
    assert np.mean(off_known) < 0.7 * np.mean(off_ours)


def test_what_other_kinds_tell_is_a_regression_on_them():
    # independent: pilots drawn with these correlations by NumPy, regressed on what was seen of them
    here = Population(bias_ft=30, bias_sd_ft=100, habit_kt=1.0, habit_sd_kt=3.0)
    there = Population(bias_ft=-20, bias_sd_ft=60, habit_kt=2.0, habit_sd_kt=4.0)
    laps = pilot(np.random.default_rng(8), bias_ft=120, habit_kt=7.0, scatter_ft=60, laps=12)
    seen = learn(laps, prior=there.prior(deceleration_fps2=0.0, deceleration_sd_fps2=0.1), by_their_own=True)
    found = from_other_kinds(here, there, seen)
    rng = np.random.default_rng(9)
    for name, place, alike in (('bias_ft', 1, 0.5), ('habit_kt', 2, 0.8)):
        sd = f'{name.split("_")[0]}_sd_{name.split("_")[1]}'
        other = rng.normal(seen.mean[place], np.sqrt(seen.covariance[place, place]), 200_000)
        off = (other - getattr(there, name)) / getattr(there, sd)
        drawn = getattr(here, name) + getattr(here, sd) * (
            alike * off + np.sqrt(1 - alike**2) * rng.normal(size=other.size)
        )
        assert getattr(found, name) == pytest.approx(drawn.mean(), abs=0.02 * getattr(here, sd))
        assert getattr(found, sd) == pytest.approx(drawn.std(), rel=0.02)
        assert getattr(found, name) > getattr(here, name)  # fast and long there, so a little so here
    assert here.scatter_ft < found.scatter_ft < 60  # from the middle of everybody towards what was seen elsewhere
    # a new kind of landing starts from the pilot's others
    new = calibrate(aircraft_laps=[], pilot_laps=[], other_laps=laps, prior_deceleration_fps2=3.2)
    assert new.laps == 0
    assert 2 < new.speed_habit_kt < 7
    assert 20 < new.bias_ft < 120
