"""The field that machines come from: what their figures say of each other, and how far each is drawn to the middle."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum

import numpy as np

from crevlo.core.figure import Counted, Known, as_estimate
from crevlo.core.statistics import variance_between

# Shares u/√(τ² + u²) of a figure's own error in how far its field lies apart, that are looked at.
_SHARES = (np.arange(100) + 0.5) / 100
# How the shares of a study's criteria may lie: Beta densities by their middle and by how much they lie together.
_MIDDLES, _TOGETHER = np.arange(1, 10) / 10, np.array([1.0, 2.0, 4.0, 8.0, 16.0])
# Of fewer criteria nothing is learned of how their fields lie (Gelman 2006): any share is as likely.
_LEARNED_FROM = 3


class FieldSpread(StrEnum):
    """What is taken of the spread τ of a field: in each draw another that the figures leave possible, or one for all draws, as
    packages up to format 2 were reckoned."""

    DRAWN = "drawn"
    ONE = "one"


@dataclass(frozen=True, slots=True)
class Pull:
    """How far a measured figure is drawn to the middle of its field, for each spread of the field that is looked at, shape
    (spreads,): posterior `centre`, what is left of its own error as a factor, and the uncertainty of the middle that it takes
    part in."""

    centre: np.ndarray
    keeps: np.ndarray
    u_middle: np.ndarray


@dataclass(frozen=True, slots=True)
class Field:
    """Spreads that the figures leave possible, each with its chance, shape (spreads,), and the pull of each machine."""

    chance: np.ndarray
    pulls: Mapping[int, Pull]


def fields_of(known: Mapping[str, Mapping[int, Known]], spread: FieldSpread = FieldSpread.DRAWN) -> dict[str, Field]:
    """By criterion the posterior of each machine's figure in a field N(μ, τ²), of its own u; none where all are exact.

    Posterior mean μ + B·(x − μ), B = τ²/(τ² + u²), own variance B·u², and (1 − B) times the uncertainty of μ. Without it the
    best of a close field looks twice as sure as it is: it is best partly by luck. How close a field is, a handful of machines
    tells badly: τ is drawn from its own posterior, where the share u/√(τ² + u²) beforehand is anywhere in 0..1 (Strawderman
    1971), as the fields of the other criteria make it likely from three criteria on.
    """
    seen = {code: found for code, of in known.items() if (found := _seen(of)) is not None}
    if spread is FieldSpread.ONE:
        return {code: _of_one_spread(found) for code, found in seen.items()}
    fields = {code: _spread_out(found) for code, found in seen.items()}
    return {code: Field(chance, fields[code].pulls) for code, chance in _learned(fields).items()}


@dataclass(frozen=True, slots=True)
class _Seen:
    """Figures of a criterion with their own u, above 0, and a usual one; arrays of shape (machines,)."""

    machines: tuple[int, ...]
    x: np.ndarray
    u: np.ndarray
    usual: float


def _seen(known: Mapping[int, Known]) -> _Seen | None:
    as_one = [as_estimate(f) for f in known.values()]
    u = np.array([e.own for e in as_one])
    if len(u) < 2 or not (u > 0).any():
        return None
    usual = float(np.median(u[u > 0]))
    # A figure that is exact beside others that are not still has a place in the field, not all of its weight.
    return _Seen(tuple(known), np.array([e.value for e in as_one]), np.maximum(u, usual / 100), usual)


def _of_one_spread(seen: _Seen) -> Field:
    """τ² by DerSimonian and Laird; B is at least 3/(k + 1) of k machines, as so few cannot show that they are all alike."""
    tau2, _ = variance_between(seen.x, seen.u)
    return _pulled(seen, np.array([tau2]), least=min(1.0, 3 / (len(seen.x) + 1)))


def _spread_out(seen: _Seen) -> Field:
    return _pulled(seen, seen.usual**2 * (1 / _SHARES**2 - 1))


def _pulled(seen: _Seen, tau2: np.ndarray, least: float = 0.0) -> Field:
    """By spread τ²; `least` is the smallest B. Chances by the marginal likelihood with a flat prior of μ."""
    x, u = seen.x, seen.u
    weight = 1 / (tau2 + u[:, None] ** 2)
    sum_ = weight.sum(axis=0)
    middle = (x @ weight) / sum_
    away = (weight * (x[:, None] - middle) ** 2).sum(axis=0)
    likely = (np.log(weight).sum(axis=0) - np.log(sum_) - away) / 2
    chance = np.exp(likely - likely.max())
    kept = np.maximum(tau2 * weight, least)
    pulls = {
        m: Pull(middle + b * (value - middle), np.sqrt(b), (1 - b) / np.sqrt(sum_))
        for m, value, b in zip(seen.machines, x, kept, strict=True)
    }
    return Field(chance / chance.sum(), pulls)


def _learned(fields: Mapping[str, Field]) -> dict[str, np.ndarray]:
    """Chances of the shares of each criterion, averaged over all ways in which the shares of the study may lie, each as
    likely as the figures of all criteria make it."""
    if len(fields) < _LEARNED_FROM:
        return {code: field.chance for code, field in fields.items()}
    likely = np.array([field.chance for field in fields.values()])
    ways = _ways()
    fits = np.log(likely @ ways.T).sum(axis=0)
    chance_of_way = np.exp(fits - fits.max())
    chance_of_way /= chance_of_way.sum()
    learned = {}
    for code, one in zip(fields, likely, strict=True):
        each = ways * one
        each /= each.sum(axis=1, keepdims=True)
        learned[code] = chance_of_way @ each
    return learned


def _ways() -> np.ndarray:
    """Chances of the shares, shape (ways, shares)."""
    a, b = (np.outer(end, _TOGETHER).reshape(-1, 1) for end in (_MIDDLES, 1 - _MIDDLES))
    density = np.exp((a - 1) * np.log(_SHARES) + (b - 1) * np.log1p(-_SHARES))
    made: np.ndarray = density / density.sum(axis=1, keepdims=True)
    return made


def prior_of_counts(counts: Sequence[Counted]) -> tuple[float, float]:
    """Beta prior of the chances that the counts of a field come from, by moments (Kleinman 1973).

    It weighs at most as much as the tries of a machine, as so few cannot show that all chances are alike, and at least as
    much as Jeffreys'.
    """
    n = np.array([c.tries for c in counts], float)
    share = np.array([c.good for c in counts]) / np.maximum(n, 1)
    middle = (sum(c.good for c in counts) + 0.5) / (n.sum() + 1)
    spread = float(np.mean((share - middle) ** 2)) * len(n) / max(len(n) - 1, 1)
    alone = middle * (1 - middle) * float(np.mean(1 / np.maximum(n, 1)))
    apart = max(spread - alone, 1e-9)
    weight = float(np.clip(middle * (1 - middle) / apart - 1, 1.0, max(float(n.mean()), 1.0)))
    return middle * weight, (1 - middle) * weight
