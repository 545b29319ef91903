"""When the wheels touched: a model of roundout, hold-off and rollout fitted to all samples about a landing.

Height alone cannot tell: an aeroplane sinks through the last two feet in seconds, and a receiver's height wanders by
more. The speed tells too: it falls at one rate while the aeroplane is held off and at another on the wheels, and it is
near the speed at which this aeroplane stops flying. Every moment of touchdown, length of float and length of roundout
on a grid is tried; for each, the best path is found by linear regression with priors, and the evidence of all of them
makes the probability of the moment [own]; docs/model.md, "Touchdown from a track".
"""

from __future__ import annotations

import math
from dataclasses import dataclass, field, replace

import numpy as np

from bullseye.core.basis.constants import GRAVITY_FPS2
from bullseye.core.basis.unknown import known_or
from bullseye.tracks.contactmodels import (
    DRIFT_KNOT_S,
    SINK_PIECES,
    Evidence,
    Floats,
    Grid,
    Noise,
    Prior,
    Samples,
    hold_off_row,
    mesh,
    own_height,
    rollout,
    speed_by_time,
    wander,
)
from bullseye.tracks.evidence import fit_all, whitened
from bullseye.tracks.speeds import SILENT_S

# Priors [own], tuned on simulated flights that the accuracy bench does not use
_ROLL_CHANGE_SD_FPS2 = 1.6
_COARSE_KNOT_S, _FINE_KNOT_S = 1.3, 0.8  # between changes of the deceleration on the wheels
_AFTER_S = 4.0  # of rollout beyond the latest touchdown
_LAST_SINK_FPS, _LAST_SINK_SD_FPS = 0.9, 0.7
_SINK_FPS, _SINK_SD_FPS = 0.45, 0.5
_HOLD_OFF_FT, _HOLD_OFF_SD_FT = 2.2, 1.3
_ROUNDOUT_RISE_FPS2 = 0.1 * GRAVITY_FPS2
_ROUNDOUT_SHARES = np.array([0.55, 0.9, 1.35])
_FINE_SHARES = np.array([0.4, 0.6, 0.8, 1.0, 1.25, 1.6])
_USUAL_FLOAT_S, _FLOAT_SPREAD = 6.0, 0.7

# What the model itself gets wrong [own]
_SPEED_IN_AIR_FPS, _SPEED_ON_WHEELS_FPS = 0.25, 0.25
_PLACE_FT = 1.0
_PLACE_ACROSS_FT = 5.0
_PLACE_WANDER = 4.0  # of a receiver's place, against its white noise
_NOSE_HELD_S, _NOSE_LONGER_S = 2.5, 2.0  # after the touchdown; beyond it exponentially rarer
_NOSE_EARLY_S, _NOSE_EARLY_SD_S = 0.6, 0.5  # by which its onset may be told too early
_ROUNDED_ALIKE_S = 1.5
_ERRS_ALIKE_S = 1.5  # seconds over which gusts and the pilot's hands err alike
_HEIGHT_IN_AIR_FT = 0.25
_COARSE_S = 0.8
_ONE = np.ones(1)
_LEAST = 1e-300  # so that no weight is zero
_FINE_TOUCHES, _FINE_LEVELS = 25, 9
_THIN_S, _FINE_THIN_S = 0.7, 0.4
_BEFORE_S = 2.0  # of the final before the earliest roundout


@dataclass(frozen=True)
class _Models:
    """All models of the finer grid (G,), so that they can be weighed anew; means (G, 4) as in the prior."""

    prior: Prior
    log: Floats
    touch_s: Floats
    level_s: Floats
    start_s: Floats
    mean: Floats
    covariance: Floats
    sink_fps: Floats
    step_s: float


@dataclass(frozen=True, kw_only=True)
class Contact:
    """When the wheels first touched, and what led to it; standard deviations and a 95 % half-width beside it."""

    time_s: float
    sd_s: float
    half_width_s: float
    roundout_s: float
    level_s: float
    level_sd_s: float
    speed_fps: float
    speed_sd_fps: float
    deceleration_fps2: float
    deceleration_sd_fps2: float
    roll_fps2: float
    roll_sd_fps2: float
    sink_fps: float
    ground_ft: float | None  # what the recorder's height reads with the wheels on the runway
    seen: bool = False  # the moment itself is in the heights
    models: _Models = field(repr=False)


class _Landing:
    """Evidence of the models for one landing."""

    def __init__(
        self,
        samples: Samples,
        noise: Noise,
        prior: Prior,
        *,
        first_s: float,
        last_s: float,
        knot_s: float,
        averaged: int,
    ) -> None:
        self.noise, self.prior, self.averaged, self.knot_s = noise, prior, averaged, knot_s
        keep = (samples.time_s > first_s) & (samples.time_s < last_s)
        self.t = samples.time_s[keep]
        self.last_s = last_s
        self.nose_s = samples.nose_s
        self.speed, height = samples.speed_fps[keep], samples.height_ft[keep]
        self.told = np.isfinite(self.speed)
        self.along = samples.along_ft[keep]
        high = np.isfinite(height) if noise.height_ft is not None else np.zeros(self.t.size, dtype=bool)
        self.height_s, self.heights = self.t[high], height[high]
        self.sink_prior = (
            np.array([samples.sink_fps, _LAST_SINK_FPS, *(_SINK_FPS,) * SINK_PIECES]),
            np.array([max(1.0, 0.25 * samples.sink_fps), _LAST_SINK_SD_FPS, *(_SINK_SD_FPS,) * SINK_PIECES]),
        )

    def _noise(self, t: Floats, touch_s: Floats, white: float, in_air: float, on_wheels: float) -> Floats:
        """Noise of samples before and after the touchdown (D, n)."""
        white = white / math.sqrt(self.averaged)
        before, after = math.hypot(white, in_air), math.hypot(white, on_wheels)
        noise: Floats = np.where(t[None, :] < touch_s[:, None], before, after)
        return noise

    def _alike(self, own_fps: float) -> float:
        """The model's own error of speed, where neighbours err alike: gusts last longer than a step of the recorder."""
        step_s = float(np.median(np.diff(self.t))) if self.t.size > 1 else _ERRS_ALIKE_S
        return own_fps * math.sqrt(max(1.0, _ERRS_ALIKE_S / max(step_s, 1e-3)))

    def _speeds(self, grid: Grid) -> tuple[Floats, Floats, Floats]:
        """Log evidence by speed and place (D K,), and what it makes of the values of the prior (D K, 4)."""
        noise, prior, touch = self.noise, self.prior, grid.touch_s
        knots = np.arange(0.0, max(self.last_s - float(touch.min()), 0.1), self.knot_s)
        speed, place = rollout(self.t, touch, knots)
        own_speed, own_place = speed_by_time(self.t, grid)
        # places wander, and where speeds are recorded, these say all there is to know
        if noise.speed_fps is not None:
            in_air, on_wheels = (self._alike(one) for one in (_SPEED_IN_AIR_FPS, _SPEED_ON_WHEELS_FPS))
            sd = self._noise(self.t, touch, noise.speed_fps, in_air, on_wheels)[:, self.told]
            shared, own, measured = speed[:, self.told], own_speed[:, :, self.told], self.speed[self.told]
            if self.t.size > 1 and float(np.diff(self.t).max()) > SILENT_S:
                # but across a gap, how far it went tells how fast it was
                place_ft = max(_PLACE_ACROSS_FT, _PLACE_WANDER * noise.along_ft)
                sd = np.concatenate([sd, self._noise(self.t, touch, place_ft, 0.0, 0.0)], axis=1)
                shared, own = np.concatenate([shared, place], axis=1), np.concatenate([own, own_place], axis=2)
                measured = np.concatenate([measured, self.along])
        else:
            sd = self._noise(self.t, touch, noise.along_ft, _PLACE_FT, _PLACE_FT)
            shared, own, measured = place, own_place, self.along
        middle = np.interp(touch, self.t, self.along)
        basis, values, cost = whitened(
            shared,
            measured,
            sd=sd,
            prior_mean=np.column_stack([np.zeros((touch.size, knots.size - 1)), middle]),
            prior_sd=np.array([*(_ROLL_CHANGE_SD_FPS2,) * (knots.size - 1), 2_000.0]),
            specific=own,
        )
        fit = fit_all(
            basis,
            values,
            sd=_ONE,
            prior_mean=prior.mean,
            prior_sd=prior.sd,
        )
        return fit.log_evidence - cost, fit.mean, fit.covariance

    def _shared_height(self) -> tuple[Floats, Floats, Floats]:
        """Basis, prior mean and prior spread of the ground's level and its wandering."""
        bends = np.arange(self.height_s[0], self.height_s[-1], DRIFT_KNOT_S)
        drift = max(self.noise.height_drift_ft, 1e-3) * math.sqrt(DRIFT_KNOT_S)
        mean = np.array([float(np.median(self.heights)), *(0.0,) * bends.size])
        return wander(self.height_s, bends), mean, np.array([500.0, *(drift,) * bends.size])

    def _height_noise(self, touch_s: Floats) -> Floats:
        step = self.noise.height_step_ft / math.sqrt(12)
        if step > 0 and self.height_s.size > 1:
            # neighbours are rounded alike: together they say no more than one of them
            step *= math.sqrt(max(1.0, _ROUNDED_ALIKE_S / float(np.median(np.diff(self.height_s)))))
        in_air, on_wheels = math.hypot(_HEIGHT_IN_AIR_FT, step), math.hypot(self.noise.surface_ft, step)
        return self._noise(self.height_s, touch_s, known_or(self.noise.height_ft, 0.0), in_air, on_wheels)

    def _by_height(self, grid: Grid) -> tuple[Floats, Floats]:
        """Log evidence by height, and the sink in the last second (D K,)."""
        touch = grid.touch_s
        shared, shared_mean, shared_sd = self._shared_height()
        basis, values, cost = whitened(
            np.broadcast_to(shared, (touch.size, *shared.shape)),
            self.heights,
            sd=self._height_noise(touch),
            prior_mean=np.broadcast_to(shared_mean, (touch.size, shared_mean.size)),
            prior_sd=shared_sd,
            specific=own_height(self.height_s, grid),
        )
        mean, sd = self.sink_prior
        row = hold_off_row(grid.float_s.ravel()) / _HOLD_OFF_SD_FT
        extra = np.full((values.shape[0], 1), _HOLD_OFF_FT / _HOLD_OFF_SD_FT)
        fit = fit_all(
            np.concatenate([basis, row], axis=1),
            np.concatenate([values, extra], axis=1),
            sd=_ONE,
            prior_mean=mean,
            prior_sd=sd,
        )
        return fit.log_evidence - cost, fit.mean[:, 1]

    def evidence(self, grid: Grid) -> Evidence:
        """Evidence of every model of a grid."""
        log, mean, covariance = self._speeds(grid)
        log = log - np.log((grid.float_s.ravel() + 0.7) / _USUAL_FLOAT_S) ** 2 / (2 * _FLOAT_SPREAD**2)
        sink = None
        if self.heights.size >= 3:
            more, sink = self._by_height(grid)
            log = log + more
        if self.nose_s is not None:
            held_s = self.nose_s - grid.touch_s  # the nose stays up for a moment once the wheels are down
            longer_s = np.maximum(held_s - _NOSE_HELD_S, 0.0)  # on a soft field as long as it will stay up
            early_s = np.maximum(-held_s - _NOSE_EARLY_S, 0.0)
            unlikely = longer_s / _NOSE_LONGER_S + np.square(early_s / _NOSE_EARLY_SD_S) / 2
            log = log - np.repeat(unlikely, grid.level_s.size)
        log = np.where(grid.possible.ravel(), log, -np.inf)
        return Evidence(log, mean, covariance, sink)

    def ground_ft(self, touch_s: float, level_s: float, roundout_s: float) -> float | None:
        """What the heights read with the wheels on the runway, by the likeliest model."""
        if self.heights.size < 3:
            return None
        grid = Grid(np.array([touch_s]), np.array([level_s]), np.array([roundout_s]))
        shared, shared_mean, shared_sd = self._shared_height()
        own = own_height(self.height_s, grid)[0]
        count = shared_mean.size
        mean, sd = self.sink_prior
        row = np.concatenate([np.zeros((1, 1, count)), hold_off_row(grid.float_s.ravel())], axis=2)
        fit = fit_all(
            np.concatenate([np.concatenate([shared[None], own], axis=2), row], axis=1),
            np.append(self.heights, _HOLD_OFF_FT),
            sd=np.append(self._height_noise(grid.touch_s)[0], _HOLD_OFF_SD_FT),
            prior_mean=np.append(shared_mean, mean),
            prior_sd=np.append(shared_sd, sd),
        )
        bends = np.arange(self.height_s[0], self.height_s[-1], DRIFT_KNOT_S)
        return float(wander(np.array([touch_s]), bends)[0] @ fit.mean[0, :count])


def _thinned(samples: Samples, step_s: float) -> tuple[Samples, int]:
    """Means of neighbouring samples, about ``step_s`` apart, and of how many each."""
    steps = np.diff(samples.time_s)
    usual = float(np.median(steps)) if steps.size else step_s
    size = round(step_s / usual) if usual > 0 else 1
    if size < 2:
        return samples, 1
    count = samples.time_s.size // size * size
    with np.errstate(invalid='ignore'):
        means = {
            name: getattr(samples, name)[:count].reshape(-1, size).mean(axis=1)
            for name in ('time_s', 'along_ft', 'speed_fps', 'height_ft')
        }
    return replace(samples, **means), size


def find_contact(
    samples: Samples, *, low_s: float, earliest_s: float, latest_s: float, noise: Noise, prior: Prior
) -> Contact:
    """The moment of the first touch, between two times, with its uncertainty.

    :param low_s: when the aeroplane was so low that the roundout may begin

    :param samples: fixes from some 25 s before to the end of the rollout, before power or standstill; thinned here
    :raises ValueError: when ``latest_s`` does not lie after ``earliest_s``
    """
    if latest_s <= earliest_s:
        raise ValueError('the latest moment must lie after the earliest')
    tau = float(np.clip(samples.sink_fps / _ROUNDOUT_RISE_FPS2, 0.8, 4.0))
    first_s = low_s - _BEFORE_S
    coarse = mesh(
        np.arange(earliest_s, latest_s + _COARSE_S / 2, _COARSE_S),
        np.arange(low_s + 0.5, latest_s, _COARSE_S),
        tau * _ROUNDOUT_SHARES,
        low_s,
    )
    thin, size = _thinned(samples, _THIN_S)
    rough = _Landing(
        thin, noise, prior, first_s=first_s, last_s=latest_s + _AFTER_S, knot_s=_COARSE_KNOT_S, averaged=size
    ).evidence(coarse)
    mean, sd = _moments(np.repeat(coarse.touch_s, coarse.level_s.size), rough.log)
    level, level_sd = _moments(np.tile(coarse.level_s, coarse.touch_s.size), rough.log)
    shortest, longest = _extent(np.tile(coarse.roundout_s, coarse.touch_s.size), rough.log)
    taus = tau * _FINE_SHARES
    reach, level_reach = 4 * max(sd, 0.4), 2.5 * max(level_sd, 0.3)
    grid = mesh(
        np.linspace(max(earliest_s, mean - reach), min(latest_s, mean + reach), _FINE_TOUCHES),
        np.linspace(level - level_reach, level + level_reach, _FINE_LEVELS),
        taus[(taus > shortest * 0.6) & (taus < longest * 1.5)],
        low_s,
    )
    thin, size = _thinned(samples, _FINE_THIN_S)
    last_s = float(grid.touch_s[-1]) + _AFTER_S
    landing = _Landing(thin, noise, prior, first_s=first_s, last_s=last_s, knot_s=_FINE_KNOT_S, averaged=size)
    found = landing.evidence(grid)
    levels = np.tile(grid.level_s, grid.touch_s.size)
    models = _Models(
        prior=prior,
        log=found.log,
        touch_s=np.repeat(grid.touch_s, grid.level_s.size),
        level_s=levels,
        start_s=levels - np.tile(grid.roundout_s, grid.touch_s.size),
        mean=found.mean,
        covariance=found.covariance,
        sink_fps=found.last_sink_fps if found.last_sink_fps is not None else np.full(levels.size, np.nan),
        step_s=float(grid.touch_s[1] - grid.touch_s[0]),
    )
    best = int(np.argmax(found.log))
    row = best % grid.level_s.size
    ground = landing.ground_ft(float(models.touch_s[best]), float(levels[best]), float(grid.roundout_s[row]))
    return _told(models, ground)


def with_prior(contact: Contact, prior: Prior) -> Contact:
    """The same landing when more is known before looking: every model is weighed anew.

    What the samples alone say is had by taking the old prior out of each model's posterior; all are normal.
    """
    models = contact.models
    posterior = np.linalg.inv(models.covariance)
    pull = np.matmul(posterior, models.mean[:, :, None])[:, :, 0]

    def fits(one: Prior) -> tuple[Floats, Floats, Floats]:
        """Log evidence, posterior mean and covariance of every model under a prior."""
        old = 1 / np.square(models.prior.sd)
        new = 1 / np.square(one.sd)
        precision = posterior + np.diag(new - old)
        shift = pull - models.prior.mean * old + one.mean * new
        covariance = np.linalg.inv(precision)
        mean = np.matmul(covariance, shift[:, :, None])[:, :, 0]
        log = 0.5 * (np.log(new).sum() - np.linalg.slogdet(precision)[1] + np.sum(shift * mean, axis=1))
        return log - 0.5 * float(np.sum(one.mean**2 * new)), mean, covariance

    log, mean, covariance = fits(prior)
    weighed = replace(
        models, prior=prior, log=models.log + log - fits(models.prior)[0], mean=mean, covariance=covariance
    )
    return _told(weighed, contact.ground_ft)


def _speed_alone(models: _Models) -> tuple[Floats, Floats, Floats]:
    """What the samples of each model say of the touchdown speed without its prior: log weight, mean, variance."""
    prior = models.prior
    here, variance = models.mean[:, 0], models.covariance[:, 0, 0]
    precision = np.maximum(1 / variance - 1 / prior.touchdown_sd_fps**2, 1e-6)
    alone = (here / variance - prior.touchdown_fps / prior.touchdown_sd_fps**2) / precision
    total = 1 / precision + prior.touchdown_sd_fps**2
    by_prior = -0.5 * np.log(total) - (alone - prior.touchdown_fps) ** 2 / (2 * total)
    return models.log - by_prior, alone, 1 / precision


def speed_evidence(contact: Contact, grid_fps: Floats) -> Floats:
    """Likelihood of every touchdown speed of a grid by the samples of one landing alone, to any scale."""
    log, alone, variance = _speed_alone(contact.models)
    found: Floats = np.exp(log - log.max()) @ _normal(grid_fps, alone, variance)
    return found


def _normal(grid: Floats, mean: Floats, variance: Floats) -> Floats:
    """Densities (G, n) on a grid, no narrower than its step."""
    wide = variance[:, None] + (0.5 * float(grid[1] - grid[0])) ** 2
    density: Floats = np.exp(-0.5 * (grid[None, :] - mean[:, None]) ** 2 / wide) / np.sqrt(wide)
    return density


def with_speed(contact: Contact, grid_fps: Floats, probability: Floats) -> Contact:
    """The same landing when chances of its touchdown speed are known: every model is weighed anew, for the last time.

    The chances stand in for the prior, so that no prior can be taken out of what comes of it.
    """
    models = contact.models
    log, alone, variance = _speed_alone(models)
    each = _normal(grid_fps, alone, variance) * probability
    weight = each.sum(axis=1) + _LEAST
    speed = each @ grid_fps / weight
    spread = np.maximum(each @ grid_fps**2 / weight - speed**2, 0.01)
    # what goes with the speed in a model goes along with it
    gain = models.covariance[:, :, 0] / models.covariance[:, :1, 0]
    mean = models.mean + gain * (speed - models.mean[:, 0])[:, None]
    narrower = (spread - models.covariance[:, 0, 0])[:, None, None]
    covariance = models.covariance + gain[:, :, None] * gain[:, None, :] * narrower
    return _told(replace(models, log=log + np.log(weight), mean=mean, covariance=covariance), contact.ground_ft)


def _told(models: _Models, ground_ft: float | None) -> Contact:
    """What all models say together."""
    share = np.exp(models.log - models.log.max())
    share /= share.sum()
    touch, level = float(share @ models.touch_s), float(share @ models.level_s)
    away = np.abs(models.touch_s - touch)
    spread = math.sqrt(float(share @ away**2) + models.step_s**2 / 12)
    order = np.argsort(away)
    inside = np.cumsum(share[order])
    half = float(away[order][min(int(np.searchsorted(inside, 0.95)), order.size - 1)])
    mean = share @ models.mean
    sd = np.sqrt(share @ (np.diagonal(models.covariance, axis1=1, axis2=2) + np.square(models.mean - mean)))
    return Contact(
        time_s=touch,
        sd_s=spread,
        half_width_s=max(half, 1.96 * spread),
        roundout_s=float(share @ models.start_s),
        level_s=level,
        level_sd_s=math.sqrt(float(share @ (models.level_s - level) ** 2)),
        speed_fps=float(mean[0]),
        speed_sd_fps=float(sd[0]),
        deceleration_fps2=float(mean[1]),
        deceleration_sd_fps2=float(sd[1]),
        roll_fps2=float(mean[2]),
        roll_sd_fps2=float(sd[2]),
        sink_fps=float(share @ models.sink_fps),
        ground_ft=ground_ft,
        models=models,
    )


def _moments(values: Floats, log_weight: Floats) -> tuple[float, float]:
    share = np.exp(log_weight - log_weight.max())
    share /= share.sum()
    mean = float(share @ values)
    return mean, float(np.sqrt(share @ (values - mean) ** 2))


def _extent(values: Floats, log_weight: Floats) -> tuple[float, float]:
    """The least and the greatest grid value that has a share of the probability."""
    share = np.exp(log_weight - log_weight.max())
    likely = values[share > 1e-3]
    return float(likely.min()), float(likely.max())
