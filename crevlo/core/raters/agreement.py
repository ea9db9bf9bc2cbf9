"""How far raters agree on ordered categories, corrected for chance."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from crevlo.core.estimate import BadInput, NotDetermined

Ratings = Sequence[Sequence[int | None]]


@dataclass(frozen=True, slots=True)
class Agreement:
    """Ordinal Krippendorff alpha; quadratic-weighted kappa of exactly two raters; shares of pairs that agree exactly and within
    one. Alpha is NotDetermined where nothing varies."""

    alpha: float | NotDetermined
    kappa: float | NotDetermined | None
    exact: float
    within_one: float


def agreement(ratings: Ratings, categories: int = 6) -> Agreement:
    """Of ratings [rater][specimen] from 0 to `categories` − 1, None where missing.

    Raises NotDetermined where no specimen has two ratings, BadInput for rows of different length or ratings outside.
    Source: Krippendorff 2011; Cohen 1968.
    """
    if len({len(row) for row in ratings}) > 1:
        raise BadInput("every rater has as many places as there are specimens")
    if categories < 2 or any(x is not None and not 0 <= x < categories for row in ratings for x in row):
        raise BadInput(f"ratings run from 0 to {categories - 1}")
    units = [[x for x in column if x is not None] for column in zip(*ratings, strict=True)]
    paired = [u for u in units if len(u) > 1]
    if not paired:
        raise NotDetermined("a specimen that two people judged")
    counts = np.zeros((len(paired), categories))
    np.add.at(counts, (np.repeat(range(len(paired)), [len(u) for u in paired]), np.concatenate(paired)), 1)
    size = counts.sum(axis=1)
    pairs = float((size * (size - 1)).sum()) / 2
    level = float((counts * (counts - 1)).sum()) / 2
    beside = float((counts[:, 1:] * counts[:, :-1]).sum())
    kappa = _kappa(ratings, categories) if len(ratings) == 2 else None
    return Agreement(_alpha(counts), kappa, level / pairs, (level + beside) / pairs)


def _alpha(counts: np.ndarray) -> float | NotDetermined:
    """`counts` of ratings by specimen and category, at least two a specimen."""
    weighed = counts / (counts.sum(axis=1, keepdims=True) - 1)
    observed = weighed.T @ counts - np.diag(weighed.sum(axis=0))
    n_c = observed.sum(axis=1)
    n = n_c.sum()
    ahead = np.cumsum(n_c)
    # Between two categories lie all values that are between them, and half of each.
    distance = (np.abs(ahead[:, None] - ahead[None, :] - (n_c[:, None] - n_c[None, :]) / 2)) ** 2
    expected = (np.outer(n_c, n_c) - np.diag(n_c)) / (n - 1)
    chance = float((expected * distance).sum())
    if chance <= 0:
        return NotDetermined("ratings that differ")
    return 1 - float((observed * distance).sum()) / chance


def _kappa(ratings: Ratings, categories: int) -> float | NotDetermined:
    pairs = [(a, b) for a, b in zip(*ratings, strict=True) if a is not None and b is not None]
    table = np.zeros((categories, categories))
    for a, b in pairs:
        table[a, b] += 1
    table /= table.sum()
    grades = np.arange(categories)
    weight = (grades[:, None] - grades[None, :]) ** 2
    by_chance = float((weight * np.outer(table.sum(axis=1), table.sum(axis=0))).sum())
    if by_chance <= 0:
        return NotDetermined("ratings that differ")
    return 1 - float((weight * table).sum()) / by_chance


def say_agreement(made: Agreement, raters: int) -> str:
    """What it means, in a sentence."""
    share = f"{int(100 * made.within_one + 0.5)} % of pairs agree within one"
    if isinstance(made.alpha, NotDetermined):
        return f"{share}; chance cannot be taken out: needs {made.alpha.needs}."
    word = (
        "well" if made.alpha >= 0.8 else "tolerably" if made.alpha >= 2 / 3 else "too little to rely on one of them"
    )
    who = "Both raters" if raters == 2 else f"The {raters} raters"
    return f"{who} agree {word}: α {made.alpha:.2f}, {share}."
