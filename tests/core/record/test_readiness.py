"""Whether a student is at a standard, against students whose true chance is known and an observer who knows them all."""

import math
from datetime import UTC, datetime, timedelta

import numpy as np
import pytest
from scipy import integrate, stats

from bullseye.core.given.standards import BUILT_IN
from bullseye.core.record import readiness as module
from bullseye.core.record.evidence import Flown
from bullseye.core.record.readiness import readiness, spread_of
from bullseye.core.record.tasks import drill_readiness

TOLERANCE = BUILT_IN['us_private'].tolerance('normal')  # 0 to 400 ft, -5 to +10 kt
DAY = datetime(2026, 3, 1, 10, tzinfo=UTC)


def landing(place_ft, off_kt=0.0, drift='none', *, number=0, **more) -> Flown:
    return Flown(
        landing='normal',
        outcome='touch_and_go',
        flown_at=DAY + timedelta(minutes=6 * number),
        sortie_id=1 + number // 6,
        aircraft='Marram 160',
        runway='Lantern Bay 05',
        from_spot_ft=place_ft,
        speed_off_kt=off_kt,
        drift=drift,
        **more,
    )


class Student:
    """A simulated student of a population unlike the priors: skewed long and fast, heavy tails in half of them."""

    def __init__(self, rng) -> None:
        self.mean, self.sd = 215 + rng.normal(0, 90), rng.lognormal(math.log(85), 0.55)
        self.off, self.off_sd = rng.normal(1.2, 2.4), rng.lognormal(math.log(2.1), 0.4)
        self.per_kt, self.drifts, self.tails = rng.uniform(5, 25), rng.beta(0.6, 9), rng.random() < 0.5

    def fly(self, rng, count):
        off = self.off_sd * rng.normal(size=count)
        rest = math.sqrt(max(400.0, self.sd**2 - (self.per_kt * self.off_sd) ** 2))
        noise = rng.standard_t(5, count) * math.sqrt(3 / 5) if self.tails else rng.normal(size=count)
        return self.mean + rest * noise + self.per_kt * off, np.round(self.off + off), rng.random(count) < self.drifts

    def chance(self, rng):
        place, off, drifted = self.fly(rng, 4_000)
        low, high = TOLERANCE.touchdown_from_ft, TOLERANCE.touchdown_to_ft
        near = (place >= low) & (place <= high)
        return float(np.mean(near & (off >= -TOLERANCE.speed_below_kt) & (off <= TOLERANCE.speed_above_kt) & ~drifted))


class Observer:
    """Who knows how students are drawn, and weighs thousands of them by how well they explain the landings."""

    def __init__(self, rng, count=3_000) -> None:
        self.drawn = [Student(rng) for _ in range(count)]
        self.chances = np.array([one.chance(np.random.default_rng(k)) for k, one in enumerate(self.drawn)])
        self.figures = np.array([(s.mean, s.sd, s.off, s.off_sd, s.drifts, s.per_kt) for s in self.drawn]).T

    def sure(self, place, off, drifted) -> float:
        mean, sd, m, m_sd, drifts, per_kt = (one[:, None] for one in self.figures)
        at = mean + per_kt * (off - m)
        rest = np.sqrt(np.maximum(400.0, sd**2 - (per_kt * m_sd) ** 2))
        log = stats.norm.logpdf(place, at, rest) + stats.norm.logpdf(off, m, np.hypot(m_sd, 0.29))
        log = log + np.where(drifted, np.log(drifts), np.log1p(-drifts))
        share = log.sum(axis=1)
        share = np.exp(share - share.max())
        return float(share @ (self.chances >= 0.8) / share.sum())


def test_who_is_said_to_be_at_standard_is_and_not_much_later_than_an_observer_who_knows_them_all_would_say():
    rng = np.random.default_rng(41)
    observer = Observer(np.random.default_rng(7))
    said = wrong = 0
    needed, theirs = [], []
    for _ in range(130):
        one = Student(rng)
        true = one.chance(rng)
        place, off, drifted = one.fly(rng, 40)
        flown = [
            landing(float(p), float(v), 'left' if d else 'none') for p, v, d in zip(place, off, drifted, strict=True)
        ]
        first = next(
            (n for n in range(5, 41) if readiness(flown[:n], tolerance=TOLERANCE).state == 'at_standard'), None
        )
        if first is not None:
            said += 1
            wrong += true < 0.8
        if true >= 0.85:
            sure = (observer.sure(place[:n], off[:n], drifted[:n]) for n in range(5, 41))
            needed.append(first or 41)
            theirs.append(next((n for n, share in enumerate(sure, start=5) if share >= 0.95), 41))
    assert said >= 30
    assert wrong / said <= 0.05
    print(
        f'\nsaid at standard {said}, wrong {wrong}; laps needed, ours {np.mean(needed):.1f}, theirs {np.mean(theirs):.1f}'
    )
    assert np.mean(needed) <= 1.3 * np.mean(theirs)


def test_chances_are_those_of_the_posterior_by_numerical_integration():
    """One criterion against quad: the share of believed means and scatters, each weighed by its likelihood."""
    places = [120.0, 260.0, 90.0, 310.0, 180.0, 240.0, 150.0]
    weights = 0.5 ** (np.arange(len(places) - 1, -1, -1) / module._HALF_LIFE)

    def weight(mean, log_scatter):
        scatter = math.exp(log_scatter)
        prior = -0.5 * ((mean - 200) / module._MEAN_SD_FT) ** 2
        prior -= 0.5 * ((log_scatter - math.log(module._SCATTER_FT)) / module._SPREAD) ** 2
        off = (np.array(places) - mean) / scatter
        return math.exp(prior + float(weights @ (-0.5 * off**2 - log_scatter)) + 40)

    def hit(mean, log_scatter):
        scatter = math.exp(log_scatter)
        return stats.norm.cdf((400 - mean) / scatter) - stats.norm.cdf(-mean / scatter)

    bounds = (math.log(20), math.log(500), -200, 600)
    norm = integrate.dblquad(weight, *bounds, epsabs=1e-6, epsrel=1e-5)[0]
    mean = integrate.dblquad(lambda m, s: weight(m, s) * hit(m, s), *bounds, epsabs=1e-6, epsrel=1e-5)[0] / norm
    found = readiness([landing(place, None, None) for place in places], tolerance=TOLERANCE)
    assert found.judged_by == ('touchdown',)
    assert found.chance == pytest.approx(mean, abs=0.004)


def test_what_is_not_known_is_named_and_judges_nothing():
    unread = readiness([landing(200 + 10 * (k % 3), None, None, number=k) for k in range(12)], tolerance=TOLERANCE)
    assert (unread.judged_by, unread.not_judged) == (('touchdown',), ('speed', 'drift'))
    assert [str(one) for one in unread.not_known] == [
        'Not known at all: the speed over the threshold.',
        'Not known at all: drift at touchdown.',
    ]
    few = [landing(200, 1.0 if k < 3 else None, 'none', number=k) for k in range(8)]
    assert 'read on 3 of 8 landings' in str(readiness(few, tolerance=TOLERANCE).not_known[0])
    four = readiness([landing(200, number=k) for k in range(4)], tolerance=TOLERANCE)
    assert (four.state, four.chance, four.sure) == ('unknown', None, None)
    unseen = [landing(None, number=k) for k in range(9)]
    assert readiness(unseen, tolerance=TOLERANCE).state == 'unknown'


def test_go_arounds_cost_nothing_and_conditions_are_named():
    good = [landing(190 + 12 * (k % 4), 1.0, number=k, wind_kt=4.0 + k % 7, crosswind_kt=-(k % 5)) for k in range(30)]
    around = [
        Flown(**{**{n: getattr(good[0], n) for n in good[0].__slots__}, 'outcome': 'go_around', 'from_spot_ft': None})
    ]
    with_arounds = readiness([*good[:10], *around * 12, *good[10:]], tolerance=TOLERANCE)
    assert with_arounds == readiness(good, tolerance=TOLERANCE)
    assert with_arounds.state == 'at_standard'
    assert 'winds to 10 kt, 4 kt across, on Lantern Bay 05, in the Marram 160' in str(with_arounds.words)


@pytest.mark.parametrize(
    ('change', 'weakest'),
    [
        ({'place_ft': 415.0}, 'touchdown'),
        ({'place_ft': -20.0}, 'touchdown'),
        ({'off_kt': 14.0}, 'speed'),
        ({'off_kt': -8.0}, 'speed'),
        ({'drift': 'right'}, 'drift'),
    ],
)
def test_one_criterion_alone_keeps_a_student_below_the_standard_and_is_named(change, weakest):
    flown = [
        landing(**({'place_ft': 200.0 + 15 * (k % 5 - 2), 'off_kt': 1.0} | (change if k % 3 == 0 else {})))
        for k in range(30)
    ]
    found = readiness(flown, tolerance=TOLERANCE)
    assert found.state == 'not_yet'
    assert found.weakest == weakest
    assert found.met == 20


def test_trend_and_interval_are_those_of_a_regression():
    values = [310.0, 250.0, 275.0, 190.0, 160.0, 175.0, 90.0]
    found = spread_of(values)
    line = stats.linregress(range(len(values)), values)
    half = stats.t.ppf(0.975, len(values) - 2) * line.stderr
    assert (found.trend, found.trend_low) == pytest.approx((line.slope, line.slope - half))
    low, high = stats.t.interval(0.95, len(values) - 1, np.mean(values), stats.sem(values))
    assert (found.mean_low, found.mean_high) == pytest.approx((low, high))
    assert spread_of(values[:4]).trend is None  # of four nobody knows
    assert spread_of([]).mean is None


def test_three_in_a_row_is_the_mean_of_the_cubes_where_the_chance_is_uncertain():
    # of a beta distribution with all met, mean m = (1 + S)/(2 + S), so S = (2m - 1)/(1 - m), and the mean of p cubed is
    # (1 + S)(2 + S)(3 + S)/((2 + S)(3 + S)(4 + S)) [pub: moments of the beta distribution]; m cubed would be less
    found = drill_readiness([True] * 9, needed=0.8)
    weight = (2 * found.chance - 1) / (1 - found.chance)
    assert found.chance_of_three == pytest.approx((1 + weight) / (4 + weight), abs=2e-3)
    assert found.chance_of_three > found.chance**3 + 0.005


@pytest.mark.parametrize('far_ft', [650.0, 700.0])
def test_three_in_a_row_of_landings_knows_that_the_chance_itself_is_uncertain(far_ft):
    # by Jensen's inequality the mean of the cubes is more than the cube of the mean, and less than the mean
    found = readiness([landing(150.0 if k % 2 else far_ft, number=k) for k in range(12)], tolerance=TOLERANCE)
    assert 1.05 * found.chance**3 < found.chance_of_three < found.chance / 2
