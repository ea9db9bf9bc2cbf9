"""Drawn values that are weighed again and again: a weight that moved adds what it brings to the sums that were there."""

from dataclasses import dataclass

import numpy as np

from crevlo.core.ranking.tally import Sums, sums_of

# Of fewer criteria that moved their part is added; else all are summed anew, so that what rounding leaves never grows. So too
# where the rest became many times as much or as little, beside which what rounding leaves would count.
_MOST_MOVED, _MOST_FACTOR = 1 / 3, 8.0


@dataclass(frozen=True, slots=True)
class _Before:
    """What was summed, all criteria anew: the weights, and how far each was moved in each draw by which seed."""

    weights: np.ndarray
    moved_by: tuple[int, float]
    sums: Sums


def bytes_of(machines: int, criteria: int, each: int = 2) -> int:
    """What a draw of so many figures takes, `each` as many bytes, with both sums of each machine."""
    sums = 2 * np.dtype(np.float32).itemsize
    return machines * (each * criteria + sums)


class Weighed:
    """Values of shape (criteria, machines, draws) with their sums by the weights that were asked for last.

    Another thread may ask at the same time: sums are never changed, only put in each other's place.
    """

    def __init__(self, values: np.ndarray) -> None:
        self.values = values
        self._before: _Before | None = None

    @property
    def nbytes(self) -> int:
        """With the sums that it will hold."""
        criteria, machines, draws = self.values.shape
        return int(draws) * bytes_of(machines, criteria, self.values.itemsize)

    def sums(self, weights: np.ndarray, moved: np.ndarray, moved_by: tuple[int, float]) -> tuple[Sums, float]:
        """Sums by `weights`, shape (criteria,), as they are and multiplied by `moved`, shape (criteria, draws), which is the same
        for the same `moved_by`; and what a unit of the values is in them, as all may be by one factor too high or too low."""
        before = self._before
        if before is not None and before.moved_by == moved_by:
            factor = _common(weights, before.weights)
            more = (weights / factor - before.weights).astype(np.float32)
            more[np.isclose(weights, factor * before.weights, rtol=1e-9, atol=0)] = 0
            # A weight that is taken away whole leaves nothing behind, not even what rounding would.
            gone = (weights == 0) & (before.weights > 0)
            near = 1 / _MOST_FACTOR <= factor <= _MOST_FACTOR
            if near and np.count_nonzero(more) <= _MOST_MOVED * len(weights) and not gone.any():
                return sums_of(self.values, more, moved, before.sums), 1 / factor
        made = sums_of(self.values, weights.astype(np.float32), moved)
        self._before = _Before(weights, moved_by, made)
        return made, 1.0


def _common(weights: np.ndarray, before: np.ndarray) -> float:
    """By what most weights were multiplied, 1 where none was above 0 before and is now."""
    both = (weights > 0) & (before > 0)
    if not both.any():
        return 1.0
    ratios = weights[both] / before[both]
    return float(np.median(ratios))
