"""Other ways to an order than weighted points: category wins, rank sums, price against score; and how far orders agree."""

import math
from collections.abc import Hashable, Mapping, Sequence
from dataclasses import dataclass
from itertools import combinations
from typing import TypeVar

import numpy as np

from crevlo.core.estimate import BadInput, NotDetermined

Name = TypeVar("Name", bound=Hashable)


def win_shares(machines: Mapping[Name, Sequence[float | None]]) -> dict[Name, float | NotDetermined]:
    """Of each machine the part of its comparisons, category by category and pair by pair, that it won; ties count half.

    Higher is better; where one of two has no value they are not compared. Source: FINDINGS, wins.
    Raises BadInput where the machines do not have as many categories.
    """
    if len({len(row) for row in machines.values()}) > 1:
        raise BadInput("every machine needs a value, or none, in each of the same categories")
    won, fought = dict.fromkeys(machines, 0.0), dict.fromkeys(machines, 0)
    for (a, of_a), (b, of_b) in combinations(machines.items(), 2):
        for x, y in zip(of_a, of_b, strict=True):
            if x is None or y is None:
                continue
            won[a] += 1.0 if x > y else 0.5 if x == y else 0.0
            won[b] += 1.0 if y > x else 0.5 if x == y else 0.0
            fought[a] += 1
            fought[b] += 1
    return {
        m: won[m] / fought[m] if fought[m] else NotDetermined("a category that another has too") for m in machines
    }


@dataclass(frozen=True, slots=True)
class RankSums:
    """Ranks of each machine summed over the artifacts, 1 the best, ties at their mean; and the chance of sums at least so
    far apart where nothing sets the machines apart (None where it takes more artifacts or machines to say)."""

    sum: dict[str, float]
    friedman_p: float | None


def rank_sums(artifacts: Mapping[str, Mapping[str, float]]) -> RankSums:
    """Over artifacts that every machine has; higher is better. Source: Friedman 1937, corrected for ties.

    Raises NotDetermined without an artifact that all have.
    """
    from scipy import stats

    machines = list(dict.fromkeys(m for row in artifacts.values() for m in row))
    whole = [row for row in artifacts.values() if len(row) == len(machines)]
    if not whole or not machines:
        raise NotDetermined("an artifact that every machine has a score of")
    scores = np.array([[row[m] for m in machines] for row in whole])
    ranks = stats.rankdata(-scores, axis=1)
    p = None
    if len(machines) >= 3 and len(whole) >= 2 and (ranks != ranks.mean()).any():
        p = float(stats.friedmanchisquare(*scores.T).pvalue)
    return RankSums(dict(zip(machines, ranks.sum(axis=0).tolist(), strict=True)), p)


def concordance(a: Sequence[float], b: Sequence[float]) -> float:
    """Kendall's τ-b of two orders of the same machines (ranks or scores): 1 the same, −1 turned round.

    Raises NotDetermined for fewer than two, or an order in which all are equal.
    """
    from scipy import stats

    if len(a) != len(b):
        raise BadInput("both orders need every machine")
    tau = float(stats.kendalltau(a, b).statistic) if len(a) > 1 else math.nan
    if math.isnan(tau):
        raise NotDetermined("two orders that tell machines apart")
    return tau


def frontier(points: Mapping[Name, tuple[float, float]]) -> list[Name]:
    """Machines, of (price, score), that no other beats: none costs as much or less and scores as much or more, one of the
    two strictly; in the order given."""
    return [
        name
        for name, (price, score) in points.items()
        if not any(p <= price and s >= score and (p < price or s > score) for p, s in points.values())
    ]
