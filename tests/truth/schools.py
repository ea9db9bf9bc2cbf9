"""Whether each way to count is as sure of its first place as it should be: by the same count of the hidden truths."""

from collections.abc import Sequence

import numpy as np

from crevlo.core.estimate import made_of
from crevlo.core.figure import Figure
from crevlo.core.ranking.certainty import cheapest_scores, first_shares, mean_scores, win_scores
from crevlo.core.ranking.chances import draw_values
from crevlo.core.ranking.value import linear
from tests.truth.ranking import DRAWS, Field

SCHOOLS = ("points", "mean", "wins", "enough")
_ENOUGH = 50.0


def scores_by(school: str, values: np.ndarray, weights: Sequence[float], prices: Sequence[float]) -> np.ndarray:
    """Scores of shape (machines, draws) from values of shape (criteria, machines, draws), all known."""
    known = np.ones(values.shape[1::-1], bool)
    match school:
        case "points":
            made: np.ndarray = np.tensordot(np.array(weights) / np.sum(weights), values, axes=1)
            return made
        case "mean":
            return mean_scores(values, range(len(values)))
        case "wins":
            return win_scores(values, known)
    return cheapest_scores(values, known, weights, prices, _ENOUGH)


def stated_of_schools(field: Field, studies: int, seed: int = 0) -> dict[str, list[tuple[float, float]]]:
    """By school and study the chance stated of its likeliest first, and how far that one is truly first: 1, 0, or its part
    of a shared first place."""
    made: dict[str, list[tuple[float, float]]] = {school: [] for school in SCHOOLS}
    k, weights = field.machines, [3.0, 2.0, 1.0, 1.0, 1.0][: field.criteria]
    functions = [linear(0.0, 100.0)] * field.criteria
    for number in range(studies):
        rng = np.random.default_rng([seed + number, 5])
        true = rng.normal(50, field.apart, (k, field.criteria))
        prices = rng.permutation(np.linspace(200, 800, k)).tolist()
        common = field.shared * rng.standard_normal(field.criteria)
        seen = true + rng.normal(0, field.own, true.shape) + common
        rows: list[list[Figure]] = [
            [made_of(float(x), field.own, shared={f"meter {c}": field.shared}) for c, x in enumerate(row)]
            for row in seen
        ]
        drawn = draw_values(rows, functions, seed + number, DRAWS, codes=[f"q{c}" for c in range(field.criteria)])
        for school in SCHOOLS:
            shares = first_shares(scores_by(school, drawn, weights, prices))
            if not shares.any():
                continue
            likeliest = int(shares.argmax())
            truly = first_shares(scores_by(school, true.T[:, :, None], weights, prices))
            made[school].append((float(shares[likeliest]), float(truly[likeliest])))
    return made
