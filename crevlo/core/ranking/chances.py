"""Rank chances: weights and readings drawn together, seeded."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from crevlo.core.estimate import NotDetermined
from crevlo.core.figure import Figure, draw
from crevlo.core.ranking.points import normalised
from crevlo.core.ranking.value import ValueFunction, value_of

# A chance is then known to ± 0.5 % (95 %), half the last digit shown, and a first answer takes a fifth of a second.
DRAWS = 40_000


@dataclass(frozen=True, slots=True)
class RankChances:
    """Chances from the draws; shapes (machines, machines) for `rank` (row machine, column rank) and `beats`.

    `expanded` is half the central 95 % width of each machine's total over the readings alone.
    `central_weights` are the mean shares over the draws each machine wins, None where it never does.
    """

    rank: np.ndarray
    beats: np.ndarray
    expected_rank: np.ndarray
    expanded: np.ndarray
    central_weights: tuple[np.ndarray | None, ...]
    draws: int


def draw_values(
    figures: Sequence[Sequence[Figure]], functions: Sequence[ValueFunction], seed: int, draws: int = DRAWS
) -> np.ndarray:
    """Value draws of shape (criteria, machines, draws) through the value functions.

    `figures` has shape (machines, criteria). A machine's missing figures are drawn as one, even over 0..100: drawn apart
    they would meet in the middle, and an open interval would look like a known total.
    """
    rng = np.random.default_rng(seed)
    values = np.empty((len(functions), len(figures), draws), np.float32)
    for m, row in enumerate(figures):
        missing = rng.uniform(0, 100, draws) if any(isinstance(f, NotDetermined) for f in row) else None
        for c, (figure, function) in enumerate(zip(row, functions, strict=True)):
            if isinstance(figure, NotDetermined):
                values[c, m] = missing
            else:
                values[c, m] = value_of(function, draw(figure, draws, rng))
    return values


def rank_chances(weights: Sequence[float], values: np.ndarray, seed: int, weight_spread: float = 0.3) -> RankChances:
    """Chance of each rank when each weight moves within ± `weight_spread` and is renormalised; ties share.

    `values` as from draw_values, shape (criteria, machines, draws).
    """
    shares = normalised(weights).astype(np.float32)
    criteria, machines, draws = values.shape
    rng = np.random.default_rng([seed, 1])
    drawn = rng.random((criteria, draws), dtype=np.float32)
    drawn *= 2 * np.float32(weight_spread)
    drawn += np.float32(1 - weight_spread)
    drawn *= shares[:, None]
    drawn /= drawn.sum(axis=0)
    totals, at_scheme = np.zeros((2, machines, draws), np.float32)
    for c in range(criteria):
        totals += values[c] * drawn[c]
        at_scheme += values[c] * shares[c]
    above = np.zeros((machines, draws), np.min_scalar_type(machines))
    tied = np.zeros(draws, bool)
    beats = np.zeros((machines, machines))
    for a in range(machines):
        for b in range(a + 1, machines):
            a_wins = totals[a] > totals[b]
            b_wins = totals[a] < totals[b]
            above[b] += a_wins
            above[a] += b_wins
            tied |= ~(a_wins | b_wins)
            wins, losses = np.count_nonzero(a_wins), np.count_nonzero(b_wins)
            beats[a, b] = wins + (draws - wins - losses) / 2
            beats[b, a] = draws - beats[a, b]
    rank = np.array([np.bincount(above[m][~tied], minlength=machines) for m in range(machines)], float)
    first = ((above == 0) & ~tied).astype(np.float32)
    won, won_weights = first.sum(axis=1, dtype=float), first @ drawn.T
    if tied.any():
        _share_ties(totals[:, tied], drawn[:, tied], above[:, tied], rank, won, won_weights)
    low, high = np.percentile(at_scheme, [2.5, 97.5], axis=1)
    rank /= draws
    return RankChances(
        rank=rank,
        beats=beats / draws,
        expected_rank=rank @ np.arange(1, machines + 1),
        expanded=(high - low) / 2,
        central_weights=tuple(won_weights[m] / won[m] if won[m] > 0 else None for m in range(machines)),
        draws=draws,
    )


def _share_ties(
    totals: np.ndarray,
    drawn: np.ndarray,
    above: np.ndarray,
    rank: np.ndarray,
    won: np.ndarray,
    won_weights: np.ndarray,
) -> None:
    """Machines level with each other share the ranks they span; adds to `rank`, `won`, `won_weights`."""
    machines = len(totals)
    for m in range(machines):
        level = (totals == totals[m]).sum(axis=0)
        pairs = np.bincount(above[m].astype(int) * (machines + 1) + level)
        for pair in np.flatnonzero(pairs):
            start, size = divmod(int(pair), machines + 1)
            rank[m, start : start + size] += pairs[pair] / size
        share = (above[m] == 0) / level
        won[m] += share.sum()
        won_weights[m] += drawn @ share
