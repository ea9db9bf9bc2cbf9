"""Figures of several benches taken together."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from crevlo.core.estimate import BadInput, Estimate, NotDetermined
from crevlo.core.statistics import variance_between


@dataclass(frozen=True, slots=True)
class Pooled:
    """Mean over studies; the spread τ of their true values; the share of all spread that is no reading's error, %."""

    mean: Estimate
    tau: float
    i2_percent: float


def pool(studies: Sequence[tuple[float, float]]) -> Pooled:
    """Random effects over (value, u): τ² by DerSimonian and Laird, U by t(k − 1) (Hartung and Knapp).

    Raises NotDetermined for fewer than two studies, BadInput for a u that is not above 0.
    """
    if len(studies) < 2:
        raise NotDetermined("two studies or more")
    if any(not (u > 0 and math.isfinite(u) and math.isfinite(x)) for x, u in studies):
        raise BadInput("every study needs a value and its u above 0")
    x, u = np.array(studies, float).T
    tau2, q = variance_between(x, u)
    w = 1 / (u**2 + tau2)
    mean = float(w @ x / w.sum())
    k = len(x)
    variance = float(w @ (x - mean) ** 2 / ((k - 1) * w.sum()))
    # Studies that agree by luck say no more than their own errors allow.
    variance = max(variance, 1 / float(w.sum())) if tau2 == 0 else variance
    return Pooled(
        Estimate(mean, math.sqrt(variance), k - 1),
        math.sqrt(tau2),
        max(0.0, 100 * (1 - (k - 1) / q)) if q > 0 else 0.0,
    )
