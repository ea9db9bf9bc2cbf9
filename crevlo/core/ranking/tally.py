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
# A key is a total and its machine in one whole number, which sort as one.
_KEY_BITS = 31


@dataclass(frozen=True, slots=True)
class Totals:
    """Totals in every draw. `keys`, shape (draws, machines), hold those with the drawn weights in whole steps, `bits` places
    to the left, and the machine, from the lowest up; `held` those with fixed weights, shape (machines, draws), float32."""

    keys: np.ndarray
    bits: int
    held: np.ndarray


def totals_of(values: np.ndarray, drawn: np.ndarray, shares: np.ndarray) -> Totals:
    """`values`, from 0 up, has shape (criteria, machines, draws), the weights `drawn` (criteria, draws), `shares`, which add
    up to 1, (criteria,). Of values in steps the held totals are in steps."""
    machines, draws = values.shape[1:]
    bits = max(1, (machines - 1).bit_length())
    highest = (65535.0 if values.dtype == np.uint16 else 100.0) * float(drawn.max(axis=1).sum())
    scale = np.float32((2 ** (_KEY_BITS - bits) - 1) / (1.001 * highest))
    keys, held = np.empty((draws, machines), np.int32), np.empty((machines, draws), np.float32)

    def work(begin: int, end: int) -> None:
        _sum(values, drawn, shares, scale, bits, begin, end, keys, held)
        keys[begin:end].sort(axis=1)

    _shared(values.size, draws, work)
    return Totals(keys, bits, held)


def places_of(totals: Totals) -> np.ndarray:
    """How often each machine has each place, shape (machines, machines); level ones share the places that they span."""
    draws = len(totals.keys)
    parts = _shared(totals.keys.size, draws, lambda begin, end: _places(totals.keys, totals.bits, begin, end))
    rank: np.ndarray = np.sum(parts, axis=0)
    return rank


def over_each(held: np.ndarray, leader: int) -> tuple[np.ndarray, np.ndarray]:
    """In how many draws the leader's total is above each machine's, and level with it; `held` of shape (machines, draws)."""
    parts = _shared(held.size, held.shape[1], lambda begin, end: _over(held, leader, begin, end))
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
def _sum(values, drawn, shares, scale, bits, begin, end, keys, held):
    criteria, machines, _ = values.shape
    t = np.empty(_AT_A_TIME, np.float32)
    for at in range(begin, end, _AT_A_TIME):
        until = min(at + _AT_A_TIME, end)
        for m in range(machines):
            h = held[m, at:until]
            t[:] = 0
            h[:] = 0
            for c in range(criteria):
                v, w, share = values[c, m, at:until], drawn[c, at:until], shares[c]
                for k in range(until - at):
                    x = np.float32(v[k])
                    t[k] += x * w[k]
                    h[k] += x * share
            for k in range(until - at):
                keys[at + k, m] = (np.int32(t[k] * scale) << bits) | np.int32(m)


@compiled
def _places(keys, bits, begin, end):
    machines = keys.shape[1]
    last = machines - 1
    mask = np.int32((1 << bits) - 1)
    rank = np.zeros((machines, machines))
    for d in range(begin, end):
        row = keys[d]
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
def _over(held, leader, begin, end):
    machines = held.shape[0]
    over, level = np.zeros(machines, np.int64), np.zeros(machines, np.int64)
    for at in range(begin, end, _AT_A_TIME):
        until = min(at + _AT_A_TIME, end)
        first = held[leader, at:until]
        for m in range(machines):
            h = held[m, at:until]
            above, even = np.int32(0), np.int32(0)
            for k in range(until - at):
                above += np.int32(first[k] > h[k])
                even += np.int32(first[k] == h[k])
            over[m] += above
            level[m] += even
    return over, level
