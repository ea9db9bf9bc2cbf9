"""Totals and places of machines in every draw, in stretches that stay in the cache, on all cores."""

import os
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass
from functools import lru_cache
from typing import Any

import numpy as np

from crevlo.core.compiled import compiled

# Draws taken at a time.
_AT_A_TIME = 2048
# Fewer values than this are summed sooner than threads are woken.
_WORTH_SHARING = 500_000
# Totals within so many points of each other are level.
LEVEL = 0.001


@dataclass(frozen=True, slots=True)
class Sums:
    """Weighed sums over criteria, float32 of shape (machines, draws): `drawn` by the weights of each draw, `held` by fixed ones."""

    drawn: np.ndarray
    held: np.ndarray


def sums_of(values: np.ndarray, weights: np.ndarray, moved: np.ndarray, onto: Sums | None = None) -> Sums:
    """Of `values`, shape (criteria, machines, draws), by `weights`, float32 of shape (criteria,), and by what each is multiplied
    with in each draw, `moved`, shape (criteria, draws). What is summed is added to `onto`, sums of the same values."""
    machines, draws = values.shape[1:]
    which = np.flatnonzero(weights)
    empty = np.empty((0, 0), np.float32)
    before = Sums(empty, empty) if onto is None else onto
    made = Sums(np.empty((machines, draws), np.float32), np.empty((machines, draws), np.float32))
    _shared(
        len(which) * machines * draws, draws,
        lambda begin, end: _sum(values, which, weights, moved, before.drawn, before.held, begin, end, made.drawn, made.held),
    )  # fmt: skip
    return made


def places_of(totals: np.ndarray, point: float) -> np.ndarray:
    """How often each machine has each place, shape (machines, machines), by totals of shape (machines, draws) in which a point
    is `point`; level ones share the places that they span."""
    machines, draws = totals.shape
    bits = max(1, (machines - 1).bit_length())
    steps = np.float32(1 / (LEVEL * point))

    def work(begin: int, end: int) -> np.ndarray:
        # Total and machine in one whole number sort as one.
        keys = np.empty((end - begin, machines), np.int32)
        _keys(totals, steps, bits, begin, end, keys)
        keys.sort(axis=1)
        rank: np.ndarray = _places(keys, bits)
        return rank

    rank: np.ndarray = np.sum(_shared(totals.size, draws, work), axis=0)
    return rank


def over_each(held: np.ndarray, leader: int, point: float) -> tuple[np.ndarray, np.ndarray]:
    """In how many draws the leader's total is above each machine's, and level with it; `held` of shape (machines, draws), in
    which a point is `point`."""
    near = np.float32(LEVEL * point)
    parts = _shared(held.size, held.shape[1], lambda begin, end: _over(held, leader, near, begin, end))
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
def _sum(values, which, weights, moved, drawn_before, held_before, begin, end, drawn_sums, held_sums):
    machines = values.shape[1]
    for at in range(begin, end, _AT_A_TIME):
        until = min(at + _AT_A_TIME, end)
        for m in range(machines):
            t, h = drawn_sums[m, at:until], held_sums[m, at:until]
            if len(drawn_before):
                t[:] = drawn_before[m, at:until]
                h[:] = held_before[m, at:until]
            else:
                t[:] = 0
                h[:] = 0
            for c in which:
                v, by, weight = values[c, m, at:until], moved[c, at:until], weights[c]
                for k in range(until - at):
                    x = np.float32(v[k]) * weight
                    t[k] += x * by[k]
                    h[k] += x


@compiled
def _keys(totals, steps, bits, begin, end, keys):
    for at in range(begin, end, _AT_A_TIME):
        until = min(at + _AT_A_TIME, end)
        for m in range(totals.shape[0]):
            t = totals[m, at:until]
            for k in range(until - at):
                keys[at - begin + k, m] = (np.int32(t[k] * steps + np.float32(0.5)) << bits) | np.int32(m)


@compiled
def _places(keys, bits):
    machines = keys.shape[1]
    last = machines - 1
    mask = np.int32((1 << bits) - 1)
    rank = np.zeros((machines, machines))
    for row in keys:
        place = 0
        while place < machines:
            total = row[last - place] >> bits
            after = place + 1
            while after < machines and (row[last - after] >> bits) == total:
                after += 1
            if after == place + 1:
                rank[row[last - place] & mask, place] += 1
            else:
                share = 1 / (after - place)
                for level in range(place, after):
                    machine = row[last - level] & mask
                    for spanned in range(place, after):
                        rank[machine, spanned] += share
            place = after
    return rank


@compiled
def _over(held, leader, near, begin, end):
    machines = held.shape[0]
    over, level = np.zeros(machines, np.int64), np.zeros(machines, np.int64)
    for at in range(begin, end, _AT_A_TIME):
        until = min(at + _AT_A_TIME, end)
        first = held[leader, at:until]
        for m in range(machines):
            h = held[m, at:until]
            above, even = np.int32(0), np.int32(0)
            for k in range(until - at):
                apart = first[k] - h[k]
                above += np.int32(apart > near)
                even += np.int32(abs(apart) <= near)
            over[m] += above
            level[m] += even
    return over, level
