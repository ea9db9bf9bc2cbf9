"""When a schedule will really be through: draws of print times and failures over its order."""

from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from crevlo.core.schedule.task import Problem, Schedule

Finishes = NDArray[np.int64]


@dataclass(frozen=True, slots=True)
class Doubt:
    """How far a print's time may be off: standard deviations of ln(actual / expected), one shared by all prints of its
    machine and one of its own; the chance that an attempt fails and it is printed again; and `everywhere`, of what prints of
    all machines share: an estimate by volume, or by the same slicing, is off on all of them alike."""

    shared: float
    own: float
    fails: float
    everywhere: float = 0.0


def finishes(
    problem: Problem,
    schedule: Schedule,
    doubts: Mapping[str, Doubt],
    *,
    attempts: int,
    draws: int = 1000,
    seed: int = 0,
) -> Finishes:
    """The tick of the last removal in each draw, shape (draws,).

    Prints keep their order on every machine and spool, start in the hours of people, pinned ones not before their
    time; a failed one stops somewhere, is cleared away and started again, up to `attempts`. Several things waiting for
    the same person or circuit at once are not drawn.
    """
    rng = np.random.default_rng(seed)
    hours = problem.hours
    machines: dict[str, Finishes] = defaultdict(lambda: np.zeros(draws, np.int64))
    spools: dict[str, Finishes] = defaultdict(lambda: np.zeros(draws, np.int64))
    for d in schedule.dryings:
        spools[d.spool] = np.full(draws, d.end, np.int64)
    shared: dict[str, NDArray[np.float64]] = defaultdict(lambda: rng.standard_normal(draws))
    everywhere = rng.standard_normal(draws)
    over = np.zeros(draws, np.int64)
    for task in sorted(problem.tasks, key=lambda t: (not t.began, schedule.slots[t.key].start)):
        doubt = doubts[task.key]
        at = machines[task.machine]
        for spool in task.spools:
            at = np.maximum(at, spools[spool])
        if task.pinned is not None:
            at = np.maximum(at, task.pinned)
        open_ = np.ones(draws, bool)
        for attempt in range(1, attempts + 1):
            off = doubt.shared * shared[task.machine] + doubt.everywhere * everywhere
            factor = np.exp(off + doubt.own * rng.standard_normal(draws))
            fails = (rng.random(draws) < doubt.fails) & (attempt < attempts)
            printing = task.print * factor * np.where(fails, rng.random(draws), 1.0)
            start = at if task.began and attempt == 1 else hours.next_many(at, problem.starts(task))
            cooled = start + task.setup + task.heat + np.rint(printing).astype(np.int64) + task.cool
            end = hours.next_many(cooled, task.removal) + task.removal
            at = np.where(open_, end, at)
            open_ &= fails
            if not open_.any():
                break
        machines[task.machine] = at
        if problem.one_spool:
            for spool in task.spools:
                spools[spool] = at
        over = np.maximum(over, at)
    return over


def chance_by(found: Finishes, ticks: Sequence[int]) -> list[float]:
    """Share of draws that are through by each of `ticks`."""
    ordered = np.sort(found)
    return [float(np.searchsorted(ordered, t, side="right") / len(ordered)) for t in ticks]
