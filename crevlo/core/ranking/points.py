"""Weighted points: totals, exact contributions, missing figures as intervals."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from crevlo.core.estimate import BadInput


@dataclass(frozen=True, slots=True)
class Total:
    """Points of one machine. With missing figures the total is an interval; `contributions` follow the criteria."""

    low: float
    high: float
    contributions: tuple[float | None, ...]
    best_rank: int
    worst_rank: int

    @property
    def complete(self) -> bool:
        return all(c is not None for c in self.contributions)


def normalised(weights: Sequence[float]) -> np.ndarray:
    """Weights as shares that add up to 1, shape (criteria,). Raises BadInput unless they are ≥ 0 with one above 0."""
    w = np.asarray(weights, float)
    if w.ndim != 1 or not np.isfinite(w).all() or (w < 0).any() or not w.sum() > 0:
        raise BadInput("weights must be 0 or more, and at least one above 0")
    shares: np.ndarray = w / w.sum()
    return shares


# Points apart by less are the same: sums of the same figures differ by rounding.
_LEVEL = 1e-9


def weighted_totals(weights: Sequence[float], values: Sequence[Sequence[float | None]]) -> list[Total]:
    """Total = Σ w/Σw · value per machine; a missing value counts as the interval 0..100.

    `values` has shape (machines, criteria). The rank interval says which ranks the totals leave open;
    printers with the same total share the better one.
    """
    shares = normalised(weights)
    rows = [list(row) for row in values]
    if any(len(row) != len(shares) for row in rows):
        raise BadInput("every machine needs one value per criterion")
    lows, highs, contributions = [], [], []
    for row in rows:
        parts = tuple(None if v is None else float(s * v) for s, v in zip(shares, row, strict=True))
        known = math.fsum(p for p in parts if p is not None)
        missing = math.fsum(100 * s for s, v in zip(shares, row, strict=True) if v is None)
        lows.append(known)
        highs.append(known + missing)
        contributions.append(parts)
    return [
        Total(
            low,
            high,
            parts,
            best_rank=1 + sum(other > high + _LEVEL for other in lows),
            # Who ends level shares the better rank.
            worst_rank=1 + sum(other > low + _LEVEL for j, other in enumerate(highs) if j != i),
        )
        for i, (low, high, parts) in enumerate(zip(lows, highs, contributions, strict=True))
    ]


def rounded_to_total(parts: Sequence[float], digits: int = 1) -> list[float]:
    """The parts rounded so that they add up to the rounded total, by largest remainder."""
    unit = 10**digits
    exact = [p * unit for p in parts]
    floors = [math.floor(e) for e in exact]
    short = round(math.fsum(exact)) - sum(floors)
    by_remainder = sorted(range(len(exact)), key=lambda i: floors[i] - exact[i])
    for i in by_remainder[: max(short, 0)]:
        floors[i] += 1
    return [f / unit for f in floors]


def flip_weight(
    weights: Sequence[float], values_a: Sequence[float], values_b: Sequence[float], criterion: int
) -> float | None:
    """Share of `criterion` at which A and B draw level, the other weights kept in proportion.

    w* = D/(D − (v_A − v_B)), D the difference of the rest's weighted means. None where no share in 0..1 does it.
    """
    w = np.asarray(weights, float)
    if not 0 <= criterion < len(w) or len(values_a) != len(w) or len(values_b) != len(w):
        raise BadInput("a flip takes one value of A and of B for each weight, and a criterion among them from 0 on")
    rest = np.delete(w, criterion)
    if not rest.sum() > 0:
        return None
    a, b = np.asarray(values_a, float), np.asarray(values_b, float)
    difference = float(np.delete(a - b, criterion) @ rest / rest.sum())
    own = float(a[criterion] - b[criterion])
    if difference == own:
        return None
    share = difference / (difference - own)
    return share if 0 <= share <= 1 else None
