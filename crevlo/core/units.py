"""Units of one model: how far they differ beyond what copies of one unit do."""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np
from scipy.special import chdtrc, fdtrc

from crevlo.core.estimate import Estimate
from crevlo.core.statistics import variance_between

_CHANCE = 0.05


@dataclass(frozen=True, slots=True)
class Between:
    """One quantity of several units: the spread of their true values beyond copies and readings, and how often alike units
    differ as much."""

    code: str
    spread: float
    p: float
    differs: bool


def between_units(figures: Mapping[str, Sequence[Estimate]]) -> list[Between]:
    """By quantity the figures of the units of one model. Errors that the units share take no part; all quantities are judged
    together by Holm's procedure at 5 %. τ by DerSimonian and Laird, its test Cochran's Q (by F where the spread of copies was
    estimated with few degrees of freedom)."""
    found: dict[str, tuple[float, float]] = {}
    for code, of in figures.items():
        own = [(e.value, e.own, e.own_dof) for e in of if e.own > 0]
        if len(own) < 2:
            continue
        x, u = np.array([v for v, _, _ in own]), np.array([s for _, s, _ in own])
        tau2, q = variance_between(x, u)
        k, dof = len(own) - 1, min(d for _, _, d in own)
        p = float(fdtrc(k, dof, q / k)) if math.isfinite(dof) else float(chdtrc(k, q))
        found[code] = (math.sqrt(tau2), p)
    real = set()
    for place, (code, (_, p)) in enumerate(sorted(found.items(), key=lambda x: x[1][1])):
        if p > _CHANCE / (len(found) - place):
            break
        real.add(code)
    return [Between(code, tau, p, code in real) for code, (tau, p) in found.items()]
