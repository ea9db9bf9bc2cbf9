"""Which weights give which winner: three groups of criteria on a triangle."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from crevlo.core.estimate import BadInput, NotDetermined
from crevlo.core.ranking.leaders import SURE


@dataclass(frozen=True, slots=True)
class Place:
    """Shares of the three groups, who is first there most often, and in which part of the draws; `tie` where that is too few
    to call it first."""

    shares: tuple[float, float, float]
    first: int
    chance: float
    tie: bool


def weight_map(
    weights: Sequence[float], values: np.ndarray, groups: Sequence[int], steps: int = 12, sure: float = SURE
) -> list[Place]:
    """Places of a triangle in `steps` to a side, each the winner over the draws of `values` (criteria, machines, draws).

    `groups` says of each criterion whether it is of the first, second or third group (0, 1, 2); within a group weights keep
    their proportions. Raises NotDetermined where a group weighs nothing, BadInput where the lengths differ.
    """
    w, of = np.asarray(weights, float), np.asarray(groups)
    if len(w) != len(values) or len(of) != len(w):
        raise BadInput("a weight and a group are needed for each criterion")
    if values.shape[1] == 0:
        raise NotDetermined("a machine to rank")
    means = []
    for g in range(3):
        share = np.where(of == g, w, 0.0)
        if not share.sum() > 0:
            raise NotDetermined("three groups that each weigh something")
        means.append(np.tensordot(share / share.sum(), values, axes=1))
    found = []
    for i in range(steps + 1):
        for j in range(steps + 1 - i):
            a, b = i / steps, j / steps
            totals = a * means[0] + b * means[1] + (1 - a - b) * means[2]
            best = totals.max(axis=0)
            ahead = totals >= best - 1e-9
            chances = (ahead / ahead.sum(axis=0)).mean(axis=1)
            first = int(np.argmax(chances))
            found.append(
                Place((a, b, max(0.0, 1 - a - b)), first, float(chances[first]), bool(chances[first] < sure))
            )
    return found
