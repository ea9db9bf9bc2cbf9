"""Totals and places of machines in every draw, in stretches that stay in the cache, on all cores."""

import os
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass
from functools import lru_cache
from typing import Any

import numpy as np

from crevlo.core.compiled import compiled

# Draws summed, and compared, at a time.
_SUMMED, _COMPARED = 2048, 512
# Fewer values than this are summed sooner than threads are woken.
_WORTH_SHARING = 500_000


def totals_of(values: np.ndarray, drawn: np.ndarray, shares: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
    """Totals of shape (machines, draws) with the drawn weights and with fixed `shares`, float32.

    `values` has shape (criteria, machines, draws), `drawn` (criteria, draws), `shares` (criteria,). Of values in steps totals
    are in steps.
    """
    machines, draws = values.shape[1:]
    totals, held = np.empty((machines, draws), np.float32), np.empty((machines, draws), np.float32)
    _shared(values.size, draws, lambda begin, end: _sum(values, drawn, shares, begin, end, totals, held))
    return totals, held


@dataclass(frozen=True, slots=True)
class Places:
    """Counts over the draws: of each machine its places, shape (machines, machines), where level ones share those that they
    span; how often it is above each other, level ones by half; and the sums of the weights with which it wins, shape
    (machines, criteria)."""

    rank: np.ndarray
    beats: np.ndarray
    won_weights: np.ndarray


def places_of(totals: np.ndarray, drawn: np.ndarray) -> Places:
    """Places of machines by their totals, shape (machines, draws), with the weights `drawn`, shape (criteria, draws)."""
    machines, draws = totals.shape
    level = np.empty(draws, np.bool_)
    parts = _shared(machines * totals.size, draws, lambda begin, end: _compare(totals, drawn, begin, end, level))
    above, rank, won_weights = (np.sum(part, axis=0, dtype=float) for part in zip(*parts, strict=True))
    even = draws - above - above.T
    np.fill_diagonal(even, 0)
    tied = np.flatnonzero(level)
    if len(tied):
        shares = _shared(machines * machines * len(tied), len(tied), lambda a, b: _share(totals, drawn, tied[a:b]))
        rank, won_weights = (
            whole + np.sum(part, axis=0)
            for whole, part in zip((rank, won_weights), zip(*shares, strict=True), strict=True)
        )
    return Places(rank, above + even / 2, won_weights)


def over_each(totals: np.ndarray, leader: int) -> tuple[np.ndarray, np.ndarray]:
    """In how many draws the leader's total is above each machine's, and level with it; `totals` of shape (machines, draws)."""
    draws = totals.shape[1]
    parts = _shared(totals.size, draws, lambda begin, end: _over(totals, leader, begin, end))
    over, level = (np.sum(part, axis=0) for part in zip(*parts, strict=True))
    return over, level


def at_once(*works: Callable[[], Any]) -> list[Any]:
    """Results of several works that keep no core from another."""
    return list(_hands().map(lambda work: work(), works))


def _shared(size: int, draws: int, work: Callable[[int, int], Any]) -> list[Any]:
    """The work on all draws, in as many parts as there are cores where it is worth it."""
    parts = (os.cpu_count() or 1) if size >= _WORTH_SHARING else 1
    ends = [draws * k // parts for k in range(parts + 1)]
    if parts == 1:
        return [work(0, draws)]
    return list(_hands().map(work, ends, ends[1:]))


@lru_cache(maxsize=1)
def _hands() -> ThreadPoolExecutor:
    return ThreadPoolExecutor(os.cpu_count() or 1, thread_name_prefix="tally")


@compiled
def _sum(values, drawn, shares, begin, end, totals, held):
    criteria, machines, _ = values.shape
    for at in range(begin, end, _SUMMED):
        until = min(at + _SUMMED, end)
        for m in range(machines):
            t, h = totals[m, at:until], held[m, at:until]
            t[:] = 0
            h[:] = 0
            for c in range(criteria):
                v, w, share = values[c, m, at:until], drawn[c, at:until], shares[c]
                for k in range(until - at):
                    x = np.float32(v[k])
                    t[k] += x * w[k]
                    h[k] += x * share


@compiled
def _over(totals, leader, begin, end):
    machines = totals.shape[0]
    over, level = np.zeros(machines, np.int64), np.zeros(machines, np.int64)
    for at in range(begin, end, _SUMMED):
        until = min(at + _SUMMED, end)
        first = totals[leader, at:until]
        for m in range(machines):
            t = totals[m, at:until]
            above, even = np.int32(0), np.int32(0)
            for k in range(until - at):
                above += np.int32(first[k] > t[k])
                even += np.int32(first[k] == t[k])
            over[m] += above
            level[m] += even
    return over, level


@compiled
def _compare(totals, drawn, begin, end, level):
    machines, criteria = totals.shape[0], drawn.shape[0]
    won = np.zeros((machines, machines), np.int64)
    rank = np.zeros((machines, machines), np.int64)
    weights = np.zeros((machines, criteria))
    above = np.empty((machines, _COMPARED), np.int32)
    # Of a pair that is not level one is above the other: what is missing of all pairs is level.
    pairs = np.int32(machines * (machines - 1) // 2)
    even = np.empty(_COMPARED, np.int32)
    for at in range(begin, end, _COMPARED):
        n = min(_COMPARED, end - at)
        above[:] = 0
        for a in range(machines):
            ta, pa = totals[a, at : at + n], above[a]
            for b in range(a + 1, machines):
                tb, pb = totals[b, at : at + n], above[b]
                ahead, behind = np.int32(0), np.int32(0)
                for k in range(n):
                    more, less = np.int32(ta[k] > tb[k]), np.int32(ta[k] < tb[k])
                    pb[k] += more
                    pa[k] += less
                    ahead += more
                    behind += less
                won[a, b] += ahead
                won[b, a] += behind
        even[:] = pairs
        for m in range(machines):
            places = above[m]
            for k in range(n):
                even[k] -= places[k]
        for k in range(n):
            level[at + k] = even[k] > 0
        for m in range(machines):
            for k in range(n):
                if even[k] == 0:
                    place = above[m, k]
                    rank[m, place] += 1
                    if place == 0:
                        for c in range(criteria):
                            weights[m, c] += drawn[c, at + k]
    return won, rank, weights


@compiled
def _share(totals, drawn, tied):
    machines, criteria = totals.shape[0], drawn.shape[0]
    rank, weights = np.zeros((machines, machines)), np.zeros((machines, criteria))
    of_all = np.empty(machines, np.float32)
    for at in tied:
        of_all[:] = totals[:, at]
        for m in range(machines):
            above, level = 0, 0
            for other in of_all:
                above += other > of_all[m]
                level += other == of_all[m]
            for place in range(above, above + level):
                rank[m, place] += 1 / level
            if above == 0:
                for c in range(criteria):
                    weights[m, c] += drawn[c, at] / level
    return rank, weights
