"""When the wheels left the runway: the height fitted by a level and a climb that begins gently.

A receiver's height wanders, so that its errors are alike from fix to fix; what a fit makes of them is only as sure as
it says when that is told. How fast the aeroplane was tells too: it lifts off somewhat slower than it climbs.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from bullseye.tracks.evidence import fit_all
from bullseye.tracks.track import Floats

# [own], tuned on simulated flights that bench/tracks.py does not use
_GENTLE_S = np.array([1.0, 2.0, 3.0, 4.5])  # from no climb to the full one
_MOMENTS = 81
_STEP_ALIKE_S = 2.0  # over which heights written in steps are rounded alike in the climb
_MODEL_FT = 0.4
_MODEL_S = 0.15
_OF_A_HEIGHT_STEP = 0.12
_OF_A_STEP = 0.15  # of the time between fixes beyond a second, by which the moment is less sure than the fit says
_CLIMB_FPS, _CLIMB_SD_FPS = 6.5, 3.0
_CHANGES_S, _CHANGE_FPS, _CHANGE_SD_FPS = 6.0, 1.5, 3.0
_LEVEL_SD_FT = 500.0
_SHARE, _SHARE_SD = 0.83, 0.05  # of the speed in the climb, at lift-off
# Less, and less sure, for each second between fixes: what it was between them is not known
_SHARE_LESS_A_S, _SHARE_SD_A_S = 0.013, 0.025
_EARLY_S = 0.12  # by which the fit tells it too early: no climb begins as gently as its gentlest
# By the time between fixes, what the fit says is a little too wide, or too sure
_STEPS_S, _AS_TOLD = (2.0, 5.0), (0.87, 1.08)
_FASTEST_FIXES = 160  # more are averaged, which loses nothing


@dataclass(frozen=True, kw_only=True)
class HeightNoise:
    """What a recorder's heights are worth: white noise, wandering in the square root of a second, and their step."""

    white_ft: float
    wander_ft: float
    step_ft: float


def find_liftoff(
    time_s: Floats,
    height_ft: Floats,
    speed_fps: Floats,
    *,
    noise: HeightNoise,
    earliest_s: float,
    latest_s: float,
) -> tuple[float, float]:
    """Moment of the lift-off and its standard deviation [s].

    :param height_ft: over the sloping pavement, its offset unknown
    :param speed_fps: over the ground; the last is that of the climb
    """
    if latest_s - earliest_s < 0.3:
        return (earliest_s + latest_s) / 2, max(0.3, (latest_s - earliest_s) / 2)
    size = -(-time_s.size // _FASTEST_FIXES)
    time_s, height_ft, speed_fps = (_averaged(one, size) for one in (time_s, height_ft, speed_fps))
    moments, gentle = (
        one.ravel() for one in np.meshgrid(np.linspace(earliest_s, latest_s, _MOMENTS), _GENTLE_S, indexing='ij')
    )
    since = np.maximum(time_s[None, :] - moments[:, None], 0.0)
    begun = gentle[:, None]
    ramp = np.where(since < begun, since**2 / (2 * begun), since - begun / 2)
    later = np.maximum(since - _CHANGES_S, 0.0)  # it climbs better once it is as fast as it means to be
    lower = np.linalg.cholesky(_alike(time_s, noise, earliest_s, size))
    turned = np.linalg.inv(lower)
    fit = fit_all(
        np.stack([np.broadcast_to(turned.sum(axis=1), ramp.shape), ramp @ turned.T, later @ turned.T], axis=2),
        turned @ height_ft,
        sd=np.ones(time_s.size),
        prior_mean=np.array([float(np.median(height_ft)), _CLIMB_FPS, _CHANGE_FPS]),
        prior_sd=np.array([_LEVEL_SD_FT, _CLIMB_SD_FPS, _CHANGE_SD_FPS]),
    )
    share = np.interp(moments, time_s, speed_fps) / max(float(speed_fps[-1]), 1.0)
    step_s = float(np.median(np.diff(time_s)))
    usual = _SHARE - _SHARE_LESS_A_S * step_s
    share_sd = float(np.hypot(_SHARE_SD, _SHARE_SD_A_S * step_s))
    log = fit.log_evidence - 0.5 * np.square((share - usual) / share_sd)
    weight = np.exp(log - log.max())
    weight /= weight.sum()
    mean = float(weight @ moments) + _EARLY_S
    model_s = _MODEL_S + _OF_A_STEP * max(0.0, step_s - 1.0) + _OF_A_HEIGHT_STEP * noise.step_ft / _CLIMB_FPS
    as_told = float(np.interp(step_s, _STEPS_S, _AS_TOLD))
    return mean, as_told * float(np.sqrt(weight @ (moments + _EARLY_S - mean) ** 2 + model_s**2))


def _averaged(values: Floats, size: int) -> Floats:
    if size < 2:
        return values
    count = values.size // size * size
    means: Floats = values[-count:].reshape(-1, size).mean(axis=1)
    return means


def _alike(time_s: Floats, noise: HeightNoise, earliest_s: float, averaged: int) -> Floats:
    """Covariance of the errors of the heights (n, n): white, a walk since the first of them, and rounding.

    On the wheels all heights are rounded alike, in the climb each step anew.
    """
    since = time_s - time_s[0]
    walk = noise.wander_ft**2 * np.minimum(since[:, None], since[None, :])
    apart = np.abs(time_s[:, None] - time_s[None, :])
    rolls = time_s < earliest_s
    together = rolls[:, None] == rolls[None, :]
    alike = np.where(rolls[:, None] & rolls[None, :], 1.0, together * np.exp(-apart / _STEP_ALIKE_S))
    rounding = noise.step_ft**2 / 12 * alike
    white = noise.white_ft**2 / averaged + _MODEL_FT**2
    found: Floats = walk + rounding + white * np.eye(time_s.size)
    return found
