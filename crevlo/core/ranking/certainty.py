"""How sure first place is by each way to count, from the same joint draws of values."""

from collections.abc import Sequence

import numpy as np


def first_shares(scores: np.ndarray) -> np.ndarray:
    """By machine the share of draws in which it is first; of several first together each has its part.

    `scores` has shape (machines, draws), higher is better, nan where a machine has none in that draw; a draw in which none
    has any counts for nobody.
    """
    held = np.where(np.isnan(scores), -np.inf, scores)
    best = held.max(axis=0)
    first = (held == best) & np.isfinite(held)
    among = first.sum(axis=0)
    shares: np.ndarray = (first / np.maximum(among, 1)).mean(axis=1)
    return shares


def mean_scores(values: np.ndarray, whole: Sequence[int]) -> np.ndarray:
    """Mean value of the criteria numbered `whole`, each alike; `values` of shape (criteria, machines, draws)."""
    made: np.ndarray = values[list(whole)].mean(axis=0, dtype=float)
    return made


def win_scores(values: np.ndarray, known: np.ndarray) -> np.ndarray:
    """Share of its comparisons that each machine wins, pair by pair and criterion by criterion, ties half.

    `known` of shape (machines, criteria) says which values there are; machines without a comparison have nan.
    """
    from scipy.stats import rankdata

    won = np.zeros(values.shape[1:])
    fought = np.zeros(values.shape[1])
    for c in range(len(values)):
        here = np.flatnonzero(known[:, c])
        if len(here) < 2:
            continue
        won[here] += rankdata(values[c, here], axis=0) - 1
        fought[here] += len(here) - 1
    return np.where(fought > 0, won.T / np.maximum(fought, 1), np.nan).T


def cheapest_scores(
    values: np.ndarray, known: np.ndarray, weights: Sequence[float], prices: Sequence[float | None], enough: float
) -> np.ndarray:
    """Minus the price of each machine that has `enough` points in the draw whatever is missing; nan of the others."""
    shares = np.asarray(weights, float) / max(float(np.sum(weights)), 1e-300)
    least = np.where(known.T[:, :, None], values, 0.0)
    totals = np.tensordot(shares, least, axes=1)
    paid = np.array([np.nan if p is None else -p for p in prices])
    return np.where(totals >= enough, paid[:, None], np.nan)
