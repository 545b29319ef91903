"""Linear models by the thousand: how well each explains the same measurements, and with what values."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]


@dataclass(frozen=True)
class Fits:
    """One fit a model: log evidence (G,), posterior means (G, p), posterior covariances (G, p, p)."""

    log_evidence: Floats
    mean: Floats
    covariance: Floats


def fit_all(basis: Floats, measured: Floats, *, sd: Floats, prior_mean: Floats, prior_sd: Floats) -> Fits:
    """Bayesian linear regression of measurements on many models at once.

    :param basis: shape (G, n, p): G models, n measurements, p coefficients
    :param measured: shape (n,), or (G, n) where it differs
    :param sd: of the measurements, shape (n,) or, where it depends on the model, (G, n)
    :param prior_mean: of the coefficients, shape (p,) or (G, p)
    :param prior_sd: of the coefficients, shape (p,) or (G, p)

    Source: conjugate normal model with known variances [pub: Bishop, Pattern Recognition and Machine Learning, 3.3 and
    3.5]; a constant that all models share is left out of the evidence.
    """
    models, count, coefficients = basis.shape
    mean = np.broadcast_to(prior_mean, (models, coefficients))
    precision = 1 / np.square(np.broadcast_to(prior_sd, (models, coefficients)))
    spread = np.broadcast_to(sd, (models, count))
    scaled = basis / spread[:, :, None]
    left = np.broadcast_to(measured, (models, count)) - np.matmul(basis, mean[:, :, None])[:, :, 0]
    left = left / spread
    turned = scaled.transpose(0, 2, 1)
    normal = np.matmul(turned, scaled)
    rows = np.arange(coefficients)
    normal[:, rows, rows] += precision
    right = np.matmul(turned, left[:, :, None])[:, :, 0]
    inverse = np.linalg.inv(normal)
    shift = np.matmul(inverse, right[:, :, None])[:, :, 0]
    _, log_det = np.linalg.slogdet(normal)
    misfit = np.einsum('gn,gn->g', left, left) - np.einsum('gp,gp->g', right, shift)
    evidence = -0.5 * misfit - 0.5 * log_det + 0.5 * np.log(precision).sum(axis=1) - np.log(spread).sum(axis=1)
    return Fits(evidence, mean + shift, inverse)


def whitened(
    common: Floats, measured: Floats, *, sd: Floats, prior_mean: Floats, prior_sd: Floats, specific: Floats
) -> tuple[Floats, Floats, Floats]:
    """Take out what the models of a group have in common, so that only what differs is left to fit; many groups.

    :param common: basis of the coefficients that a group shares, shape (D, n, c)
    :param measured: shape (n,)
    :param sd: of the measurements, shape (D, n)
    :param prior_mean: of these coefficients, shape (D, c)
    :param prior_sd: the same, shape (c,)
    :param specific: basis of the others, shape (D, K, n, p): K models in each of D groups
    :return: basis (D K, n, p) and measurements (D K, n) in units of their joint spread, as :func:`fit_all` takes them
        with an ``sd`` of 1, and what to take off its log evidence (D K,)
    """
    groups, models, count, coefficients = specific.shape
    spread = common * prior_sd
    covariance = np.matmul(spread, spread.transpose(0, 2, 1))
    rows = np.arange(count)
    covariance[:, rows, rows] += np.square(sd)
    lower = np.linalg.cholesky(covariance)
    turn = np.linalg.inv(lower)
    flat = specific.transpose(0, 2, 1, 3).reshape(groups, count, models * coefficients)
    basis = np.matmul(turn, flat).reshape(groups, count, models, coefficients).transpose(0, 2, 1, 3)
    left = measured - np.matmul(common, prior_mean[:, :, None])[:, :, 0]
    values = np.matmul(turn, left[:, :, None])[:, :, 0]
    cost = np.log(np.diagonal(lower, axis1=1, axis2=2)).sum(axis=1)
    return (
        np.ascontiguousarray(basis).reshape(groups * models, count, coefficients),
        np.repeat(values, models, axis=0),
        np.repeat(cost, models),
    )
