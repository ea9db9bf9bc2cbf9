"""Simulated benches that follow the advice of what to do next, against copies of all machines in turn."""

from dataclasses import dataclass

import numpy as np

from crevlo.core.estimate import Estimate
from crevlo.core.figure import Counted, Figure
from crevlo.core.ranking.chances import draw_values, rank_chances
from crevlo.core.ranking.leaders import SURE
from crevlo.core.ranking.next_best import Reads, Tries, Work, next_best
from crevlo.core.ranking.value import linear, value_of
from crevlo.core.statistics import pool_scatter

CODES = ("off.mean", "defects", "time", "success")
WEIGHTS = (0.3, 0.3, 0.2, 0.2)
FUNCTIONS = (linear(0.25, 0.02), linear(50, 100), linear(2.0, 0.5), linear(0.4, 1.0))
# Spread between copies of a machine, and what one copy takes a person.
SPREAD = np.array([0.02, 6.0, 0.04])
HOURS = 0.28
BEGINS, MOST = 2, 120


@dataclass(frozen=True)
class Ended:
    """Hours until somebody was first in 80 % of the draws, whether that one is the best, and whether it was given up."""

    hours: float
    right: bool
    given_up: bool


class Bench:
    """Machines with hidden truths from one field, and what copies of them showed so far."""

    def __init__(self, seed: int, machines: int, stream: int) -> None:
        hidden = np.random.default_rng([seed, 1])
        self.true = np.stack(
            [hidden.normal(0.1, 0.03, machines), hidden.normal(80, 7, machines), hidden.normal(1.1, 0.2, machines)], 1
        )
        self.chance = hidden.beta(8, 2, machines)
        self.rng = np.random.default_rng([seed, 2, stream])
        self.shown: list[list[np.ndarray]] = [[] for _ in range(machines)]
        self.good: list[list[bool]] = [[] for _ in range(machines)]
        for m in range(machines):
            for _ in range(BEGINS):
                self.copy(m)

    def copy(self, m: int) -> None:
        self.shown[m].append(self.rng.normal(self.true[m], SPREAD))
        self.good[m].append(bool(self.rng.random() < self.chance[m]))

    def figures(self) -> tuple[list[list[Figure]], list[float]]:
        """As a study states them, and the pooled spreads."""
        pooled = [pool_scatter([[float(x[c]) for x in mine] for mine in self.shown]) for c in range(3)]
        rows: list[list[Figure]] = []
        for mine, good in zip(self.shown, self.good, strict=True):
            means = np.mean(mine, axis=0)
            rows.append([
                *(Estimate(float(means[c]), s / len(mine) ** 0.5, dof) for c, (s, dof) in enumerate(pooled)),
                Counted(sum(good), len(good)),
            ])  # fmt: skip
        return rows, [s for s, _ in pooled]

    @property
    def best(self) -> int:
        worth = [
            sum(w * float(value_of(f, x)) for w, f, x in zip(WEIGHTS, FUNCTIONS, [*of, p], strict=True))
            for of, p in zip(self.true, self.chance, strict=True)
        ]
        return int(np.argmax(worth))


def play(seed: int, machines: int, *, follow: bool, most: int = MOST) -> Ended:
    """One study, copy by copy, until first place is sure."""
    bench = Bench(seed, machines, int(follow))
    for step in range(most + 1):
        rows, spreads = bench.figures()
        values = draw_values(rows, FUNCTIONS, 5, 4000, codes=CODES)
        first = rank_chances(WEIGHTS, values, 5, 0.0).rank[:, 0]
        if first.max() >= SURE or step == most:
            return Ended(step * HOURS, int(np.argmax(first)) == bench.best, bool(first.max() < SURE))
        if follow:
            works = [
                Work(m, (*(Reads(c, m, s) for c, s in enumerate(spreads)), Tries(3, m)), HOURS)
                for m in range(machines)
            ]
            told = next_best(rows, FUNCTIONS, CODES, WEIGHTS, works, step).works[0].work.key
            assert isinstance(told, int)
            bench.copy(told)
        else:
            bench.copy(step % machines)
    raise AssertionError


def played(seeds: range, machines: int = 7, most: int = MOST) -> list[tuple[Ended, Ended]]:
    """By seed with the advice followed, and with equal copies."""
    return [(play(s, machines, follow=True, most=most), play(s, machines, follow=False, most=most)) for s in seeds]
