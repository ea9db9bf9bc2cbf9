"""Machines ranked for one buyer: points, chances, verdict and places, from nothing but their figures and the weights."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass

import numpy as np

from crevlo.core.figure import Figure, central
from crevlo.core.ranking.chances import RankChances, draw_values, draws_for, rank_chances
from crevlo.core.ranking.field import FieldSpread
from crevlo.core.ranking.points import Total, weighted_totals
from crevlo.core.ranking.value import ValueFunction, value_of
from crevlo.core.ranking.verdict import Ranked, Verdict, say_verdict
from crevlo.core.ranking.weighed import Weighed

WEIGHT_SPREAD = 0.3


@dataclass(frozen=True, slots=True)
class Criterion:
    """A figure that counts: its code, how it becomes points, and its weight."""

    code: str
    function: ValueFunction
    weight: float


@dataclass(frozen=True, slots=True)
class Place:
    """`rank` is None while missing figures leave it open between the best and the worst."""

    rank: int | None
    best: int
    worst: int


@dataclass(frozen=True, slots=True)
class Ranking:
    """By machine in the order given; `order` lists them from first to last. `chance` is None of no machine."""

    values: list[list[float | None]]
    totals: list[Total]
    middle: list[float]
    chance: RankChances | None
    verdict: Verdict
    order: list[int]
    places: list[Place]


def rank(
    names: Sequence[str],
    figures: Sequence[Sequence[Figure]],
    criteria: Sequence[Criterion],
    seed: int,
    *,
    left_out: int = 0,
    draws: int | None = None,
    spread: FieldSpread = FieldSpread.DRAWN,
    drawn: Callable[[], Weighed] | None = None,
    values: list[list[float | None]] | None = None,
) -> Ranking:
    """`figures` by machine and criterion; `left_out` counts machines that a must-have leaves out. `drawn` gives values that
    were drawn before, as from `draw_values`, and `values` those that `values_of` gave. Raises BadInput for weights that cannot
    be shares."""
    functions, weights = [c.function for c in criteria], [c.weight for c in criteria]
    values = values or [values_of(row, functions) for row in figures]
    totals = weighted_totals(weights, values)
    chance: RankChances | None = None
    if names:
        codes = [c.code for c in criteria]
        times = draws or draws_for(len(figures), len(criteria))
        made: Weighed | np.ndarray = (
            drawn()
            if drawn
            else draw_values(figures, functions, seed, times, codes=codes, spread=spread, in_steps=True)
        )
        chance = rank_chances(weights, made, seed, WEIGHT_SPREAD)
    middle = [(t.low + t.high) / 2 for t in totals]
    ranked = [
        Ranked(
            name, middle[i], totals[i].low, totals[i].high, float(chance.expanded[i]), float(chance.rank[i, 0]),
            sum(v is not None for v in values[i]), len(criteria), float(chance.ahead[i]), float(chance.between[i]),
        )
        for i, name in enumerate(names)
        if chance is not None
    ]  # fmt: skip
    verdict = say_verdict(ranked, left_out=left_out)
    order = sorted(range(len(names)), key=lambda i: (i not in verdict.contenders, -middle[i]))
    return Ranking(values, totals, middle, chance, verdict, order, _places(totals, verdict, order))


def values_of(row: Sequence[Figure], functions: Sequence[ValueFunction]) -> list[float | None]:
    """Points 0..100 of each figure by its best value, None where it is missing."""
    return [
        None if (x := central(figure)) is None else float(value_of(f, x))
        for figure, f in zip(row, functions, strict=True)
    ]


def _places(totals: Sequence[Total], verdict: Verdict, order: Sequence[int]) -> list[Place]:
    """Those of a tie share the first rank, and everybody behind them has the place in the list, once an interval decides it."""
    places = [Place(t.best_rank if t.best_rank == t.worst_rank else None, t.best_rank, t.worst_rank) for t in totals]
    if verdict.tie:
        for at, i in enumerate(order, 1):
            if i in verdict.contenders:
                places[i] = Place(1, 1, places[i].worst)
            elif places[i].rank is not None:
                places[i] = Place(at, places[i].best, places[i].worst)
    return places
