"""Duels: which of two is better, or no difference (Davidson's model of paired comparisons with ties)."""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from enum import StrEnum

import numpy as np
from scipy.special import ndtr

from crevlo.core.estimate import BadInput, NotDetermined

# Weak: as much as a few duels, so that who won them all stays within reach.
RIDGE = 0.1
SURE = 0.8


class Won(StrEnum):
    FIRST = "first"
    SECOND = "second"
    TIE = "tie"


Duel = tuple[str, str, Won]


@dataclass(frozen=True, slots=True)
class Abilities:
    """Log-abilities about 0 with their standard errors, the tie parameter ν, the pair that would tell most, and whether all
    are joined by duels. `covariance` is in the order of `ability`."""

    ability: Mapping[str, float]
    u: Mapping[str, float]
    tie: float
    next: tuple[str, str] | None
    connected: bool
    covariance: np.ndarray = field(repr=False)


def davidson(results: Sequence[Duel], ridge: float = RIDGE, among: Sequence[str] = ()) -> Abilities:
    """Maximum likelihood of P(a) : P(b) : P(tie) = πa : πb : ν√(πa πb), with a ridge on the log-abilities.

    `among` adds those that fought no duel yet. Raises NotDetermined without a duel, or without a ridge where somebody won or
    lost all of theirs, or all are ties; BadInput for a duel with itself. Source: Davidson 1970.
    """
    if not results:
        raise NotDetermined("a duel")
    if any(a == b for a, b, _ in results):
        raise BadInput("nobody fights a duel with themselves")
    if not (math.isfinite(ridge) and ridge >= 0):
        raise BadInput("the ridge is 0 or more")
    names = sorted({n for a, b, _ in results for n in (a, b)} | set(among))
    at = {name: k for k, name in enumerate(names)}
    first, second = (np.array([at[r[k]] for r in results]) for k in (0, 1))
    outcome = np.array([(Won.FIRST, Won.TIE, Won.SECOND).index(Won(won)) for _, _, won in results])
    ties = bool((outcome == 1).any())
    joined = _components(len(names), first, second)
    if ridge == 0:
        _must_be_finite(names, first, second, outcome)
    n = len(names)

    def parts(x: np.ndarray) -> np.ndarray:
        """Log-probabilities of first, tie, second of every duel."""
        a, b = x[first], x[second]
        held = x[n] + (a + b) / 2 if ties else np.full(len(a), -np.inf)
        raw = np.stack([a, held, b])
        log: np.ndarray = raw - np.logaddexp.reduce(raw, axis=0)
        return log

    def lost(x: np.ndarray) -> tuple[float, np.ndarray]:
        log = parts(x)
        p = np.exp(log)
        # The direction of each of the three in (a, b, log ν) is (1, 0, 0), (½, ½, 1), (0, 1, 0).
        gradient = np.zeros(n + 1)
        for direction, index in ((np.array([1, 0.5, 0]), first), (np.array([0, 0.5, 1]), second)):
            np.add.at(gradient, index, direction @ p - direction[outcome])
        gradient[n] = (p[1] - (outcome == 1)).sum() if ties else 0.0
        gradient[:n] += ridge * x[:n] + _CENTRED * x[:n].sum()
        gradient[n] += ridge * x[n]
        value = -log[outcome, np.arange(len(outcome))].sum() + ridge / 2 * (x @ x) + _CENTRED / 2 * x[:n].sum() ** 2
        return float(value), gradient

    from scipy.optimize import minimize

    found = minimize(lost, np.zeros(n + 1), jac=True, method="BFGS", options={"gtol": 1e-9, "maxiter": 500})
    x = found.x
    information = _information(np.exp(parts(x)), first, second, n, ties)
    information[np.arange(n), np.arange(n)] += ridge
    information[n, n] += ridge if ties else 1.0
    information[:n, :n] += _CENTRED
    covariance = np.linalg.inv(information)[:n, :n]
    centre = np.eye(n) - 1 / n
    covariance = centre @ covariance @ centre
    theta = x[:n] - x[:n].mean()
    return Abilities(
        dict(zip(names, theta.tolist(), strict=True)),
        dict(zip(names, np.sqrt(np.maximum(np.diag(covariance), 0)).tolist(), strict=True)),
        float(math.exp(x[n])) if ties else 0.0, _next(names, theta, covariance, math.exp(x[n]) if ties else 0.0),
        len(set(joined.tolist())) == 1, covariance,
    )  # fmt: skip


# Keeps the sum of log-abilities at 0, which the likelihood leaves open.
_CENTRED = 1.0


def _information(p: np.ndarray, first: np.ndarray, second: np.ndarray, n: int, ties: bool) -> np.ndarray:
    """Fisher information in (log-abilities, log ν): the covariance of the directions, duel by duel."""
    directions = np.array([[1, 0, 0], [0.5, 0.5, 1 if ties else 0], [0, 1, 0]])
    made = np.zeros((n + 1, n + 1))
    mean = np.einsum("kd,ki->di", p, directions)
    spread = np.einsum("kd,ki,kj->dij", p, directions, directions) - np.einsum("di,dj->dij", mean, mean)
    index = np.stack([first, second, np.full(len(first), n)], axis=1)
    for i in range(3):
        for j in range(3):
            np.add.at(made, (index[:, i], index[:, j]), spread[:, i, j])
    return made


def _next(names: Sequence[str], theta: np.ndarray, covariance: np.ndarray, tie: float) -> tuple[str, str] | None:
    """The pair whose duel is expected to leave least unsure of which is above which."""
    n = len(names)
    if n < 2:
        return None
    best: tuple[float, int, int] | None = None
    for a in range(n):
        for b in range(a + 1, n):
            left = _unsure(theta, _after(covariance, a, b, _gain(theta[a] - theta[b], tie)))
            if best is None or left < best[0] - 1e-12:
                best = (left, a, b)
    assert best is not None
    return names[best[1]], names[best[2]]


def _gain(apart: float, tie: float) -> float:
    """Information of one duel on the difference of two log-abilities."""
    raw = np.array([math.exp(apart / 2), tie, math.exp(-apart / 2)])
    p = raw / raw.sum()
    direction = np.array([0.5, 0.0, -0.5])
    return float(p @ direction**2 - (p @ direction) ** 2)


def _after(covariance: np.ndarray, a: int, b: int, gain: float) -> np.ndarray:
    """Covariance once a duel of a and b is fought (rank-one update)."""
    along = covariance[:, a] - covariance[:, b]
    moved: np.ndarray = covariance - gain / (1 + gain * float(along[a] - along[b])) * np.outer(along, along)
    return moved


def _ahead(theta: np.ndarray, covariance: np.ndarray) -> np.ndarray:
    """Chance that each is above each."""
    variance = np.diag(covariance)
    spread = np.sqrt(np.maximum(variance[:, None] + variance[None, :] - 2 * covariance, 1e-12))
    found: np.ndarray = ndtr((theta[:, None] - theta[None, :]) / spread)
    return found


def _unsure(theta: np.ndarray, covariance: np.ndarray) -> float:
    p = _ahead(theta, covariance)
    upper = p[np.triu_indices(len(theta), 1)]
    return float((upper * (1 - upper)).sum())


def more_to_settle(made: Abilities, sure: float = SURE, most: int = 60) -> int | None:
    """How many more duels would settle the first place, if they go as expected; 0 where it is, None where `most` do not."""
    theta, covariance = np.array(list(made.ability.values())), made.covariance
    if len(theta) < 2:
        return 0
    names = list(made.ability)
    for fought in range(most + 1):
        leader = int(np.argmax(theta))
        rivals = np.delete(_ahead(theta, covariance)[leader], leader)
        if rivals.min() >= sure:
            return fought
        pair = _next(names, theta, covariance, made.tie)
        assert pair is not None
        a, b = names.index(pair[0]), names.index(pair[1])
        covariance = _after(covariance, a, b, _gain(theta[a] - theta[b], made.tie))
    return None


def _components(n: int, first: np.ndarray, second: np.ndarray) -> np.ndarray:
    """By name which group of duels it belongs to."""
    group = np.arange(n)
    for a, b in zip(first.tolist(), second.tolist(), strict=True):
        if group[a] != group[b]:
            group[group == group[b]] = group[a]
    return group


def _must_be_finite(names: Sequence[str], first: np.ndarray, second: np.ndarray, outcome: np.ndarray) -> None:
    """Without a ridge each must reach each over wins and ties (Ford 1957)."""
    n = len(names)
    if (outcome == 1).all():
        raise NotDetermined("a duel that somebody won, or a ridge")
    reach = np.eye(n, dtype=bool)
    reach[first[outcome <= 1], second[outcome <= 1]] = True
    reach[second[outcome >= 1], first[outcome >= 1]] = True
    for k in range(n):
        reach |= np.outer(reach[:, k], reach[k])
    if not reach.all():
        odd = names[int(np.argmin(reach.sum(axis=0) + reach.sum(axis=1)))]
        raise NotDetermined(f"a ridge, or more duels of {odd}: not everybody is joined by wins both ways")
