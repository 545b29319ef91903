"""When the wheels left the runway: the height fitted by a level and a climb that begins gently."""

from __future__ import annotations

import numpy as np

from bullseye.tracks.evidence import fit_all
from bullseye.tracks.track import Floats

# [own], tuned on simulated flights that bench/tracks.py does not use
_GENTLE_S = 2.5  # from no climb to the full one [own]
_MODEL_FT = 0.5


def find_liftoff(
    time_s: Floats, height_ft: Floats, *, noise_ft: float, wander_ft: float, earliest_s: float, latest_s: float
) -> tuple[float, float]:
    """Moment of the lift-off and its standard deviation [s].

    :param height_ft: over the sloping pavement, its offset unknown
    """
    if latest_s - earliest_s < 0.3:
        return (earliest_s + latest_s) / 2, max(0.3, (latest_s - earliest_s) / 2)
    moments = np.linspace(earliest_s, latest_s, 61)
    since = np.maximum(time_s[None, :] - moments[:, None], 0.0)
    ramp = np.where(since < _GENTLE_S, since**2 / (2 * _GENTLE_S), since - _GENTLE_S / 2)
    basis = np.stack([np.ones_like(ramp), ramp], axis=2)
    spread = np.sqrt(noise_ft**2 + _MODEL_FT**2 + wander_ft**2 * 4)
    fit = fit_all(
        basis,
        height_ft,
        sd=np.full(time_s.size, spread),
        prior_mean=np.array([float(np.median(height_ft)), 10.0]),
        prior_sd=np.array([500.0, 6.0]),
    )
    share = np.exp(fit.log_evidence - fit.log_evidence.max())
    share /= share.sum()
    mean = float(share @ moments)
    return mean, float(np.sqrt(share @ (moments - mean) ** 2) + 0.2)
