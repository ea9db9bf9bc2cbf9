"""Phases of a run: from what was marked or reported, or from the power alone; and the energy of each."""

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from enum import StrEnum
from itertools import pairwise

import numpy as np

from crevlo.core.energy import JOULE_PER_KWH, LONGEST_STEP_S, TraceEnergy, integrate_power
from crevlo.core.estimate import BadInput, NotDetermined

# Loads under this are alike.
_FLOOR_W = 5.0
# The pieces of time in which a step falls are no stretch of their own.
_SHORTEST = 3


class Phase(StrEnum):
    STANDBY = "standby"
    LEVELLING = "levelling"
    WARM_UP = "warm-up"
    PRINTING = "printing"
    PAUSED = "paused"
    FILAMENT = "filament change"
    COOLING = "cooling"
    REMOVAL = "removal"
    FAULT = "fault"  # the machine says that it needs someone


@dataclass(frozen=True, slots=True)
class Span:
    """One phase from a moment to another, in s of the same clock."""

    phase: Phase
    begin_s: float
    end_s: float

    @property
    def seconds(self) -> float:
        return self.end_s - self.begin_s


@dataclass(frozen=True, slots=True)
class PhasePower:
    """Power of one phase: energy with the bounds of its gaps, mean, 95th percentile and peak in W."""

    phase: Phase
    seconds: float
    energy: TraceEnergy
    mean_w: float
    p95_w: float
    peak_w: float


def spans(marks: Sequence[tuple[float, Phase]], begin_s: float, end_s: float) -> list[Span]:
    """Spans between marks (time, phase that begins), each until the next; cut to what lies between begin and end.

    Before the first mark nothing is known; marks of the same phase one after the other are one. Raises BadInput for an end
    before the beginning.
    """
    if end_s < begin_s:
        raise BadInput("the end lies before the beginning")
    found: list[Span] = []
    ordered = sorted(marks, key=lambda mark: mark[0])
    for i, (at, phase) in enumerate(ordered):
        until = ordered[i + 1][0] if i + 1 < len(ordered) else end_s
        low, high = max(at, begin_s), min(until, end_s)
        if high <= low:
            continue
        if found and found[-1].phase is phase and found[-1].end_s == low:
            found[-1] = Span(phase, found[-1].begin_s, high)
        else:
            found.append(Span(phase, low, high))
    return found


def total_s(found: Sequence[Span]) -> dict[Phase, float]:
    """Seconds by phase."""
    sums: dict[Phase, float] = {}
    for span in found:
        sums[span.phase] = sums.get(span.phase, 0.0) + span.seconds
    return sums


def each_s(found: Sequence[Span], phase: Phase) -> list[float]:
    """Seconds of every span of one phase, in their order."""
    return [span.seconds for span in found if span.phase is phase]


def power_by_phase(
    at_s: np.ndarray, power_w: np.ndarray, found: Sequence[Span], longest_step_s: float = LONGEST_STEP_S
) -> list[PhasePower]:
    """Energy and power of every phase, its spans taken together, in the order of their first beginning.

    The power at a span's two ends is interpolated, so that the phases' energies sum to that of the whole; a phase
    without two points of the trace in it is left out.
    """
    made = []
    for phase in dict.fromkeys(span.phase for span in found):
        parts, inside = [], []
        for span in found:
            if span.phase is not phase:
                continue
            t, w = _cut(at_s, power_w, span)
            if len(t) >= 2:
                parts.append(integrate_power(t - t[0], w, longest_step_s))
                inside.append((t, w))
        if not parts:
            continue
        whole = TraceEnergy(
            math.fsum(p.low_kwh for p in parts), math.fsum(p.high_kwh for p in parts),
            tuple(gap for p in parts for gap in p.gaps), math.fsum(p.duration_s for p in parts),
            max(p.peak_w or 0.0 for p in parts), sum(p.samples for p in parts),
        )  # fmt: skip
        watts = np.concatenate([w for _, w in inside])
        # The two ends are drawn between samples: a peak is one that was seen, where any was.
        seen = np.concatenate([w[1:-1] for _, w in inside])
        peak = float(seen.max() if len(seen) else watts.max())
        # Weighted by the time that each point stands for, as samples come unevenly.
        weights = np.concatenate([_weights(t) for t, _ in inside])
        order = np.argsort(watts)
        share = np.cumsum(weights[order]) / weights.sum()
        p95 = float(watts[order][min(len(order) - 1, int(np.searchsorted(share, 0.95)))])
        mean = float((watts * weights).sum() / weights.sum())
        peak = max(peak, mean)
        whole = replace(whole, gaps_kwh=max(mean * whole.duration_s / JOULE_PER_KWH - whole.low_kwh, 0.0))
        made.append(PhasePower(phase, whole.duration_s, whole, mean, min(p95, peak), peak))
    return made


def guess_spans(at_s: np.ndarray, power_w: np.ndarray, *, most: int = 6) -> list[Span]:
    """Phases from the power alone: steps in it, told apart by least squares with a price for every step.

    What comes before the power first falls to that of the long middle part is warm-up, what is near the lowest at the
    end is cooling or standby. A guess for where nothing was marked. Raises NotDetermined for under a minute of trace.
    """
    if len(at_s) < 6 or at_s[-1] - at_s[0] < 60:
        raise NotDetermined("at least a minute of power samples")
    edges = change_points(at_s, power_w, most=most)
    parts = [(edges[i], edges[i + 1]) for i in range(len(edges) - 1)]
    levels = [float(power_w[(at_s >= a) & (at_s <= b)].mean()) for a, b in parts]
    longest = max(range(len(parts)), key=lambda i: parts[i][1] - parts[i][0])
    middle = levels[longest]
    found = []
    for i, ((a, _), level) in enumerate(zip(parts, levels, strict=True)):
        if i < longest and level > 1.2 * middle:
            phase = Phase.WARM_UP
        elif level < 0.15 * middle:
            phase = Phase.STANDBY
        elif i > longest and level < 0.6 * middle:
            phase = Phase.COOLING
        else:
            phase = Phase.PRINTING
        found.append((a, phase))
    return spans(found, float(at_s[0]), float(at_s[-1]))


def change_points(at_s: np.ndarray, power_w: np.ndarray, *, most: int = 6, buckets: int = 400) -> list[float]:
    """Times between which the power is steady, the first and the last moment among them; at most `most` stretches.

    Dynamic programming over medians of equal stretches of time, on a logarithmic scale as a meter's spread grows with the
    load; the number of steps by a Bayesian criterion, with the spread between neighbours standing for the noise
    (Yao 1988).
    """
    grid = np.linspace(at_s[0], at_s[-1], min(buckets, max(6, len(at_s) // 3)) + 1)
    edges_at = np.searchsorted(at_s, grid)
    mean = np.array(
        [
            _middle(at_s, power_w, i, j, (a + b) / 2)
            for (i, j), (a, b) in zip(pairwise(edges_at), pairwise(grid), strict=True)
        ]
    )
    mean = np.log(mean + _FLOOR_W)
    n = len(mean)
    # The median of the square of a normal deviate is 0.4549 of its variance.
    noise = max(float(np.median(np.diff(mean) ** 2)) / (2 * 0.4549), 1e-6 * float(np.var(mean)), 1e-9)
    sums, squares = np.r_[0.0, np.cumsum(mean)], np.r_[0.0, np.cumsum(mean**2)]

    def cost(starts: np.ndarray, end: int) -> np.ndarray:
        length = end - starts
        total = sums[end] - sums[starts]
        out: np.ndarray = squares[end] - squares[starts] - total**2 / length
        return out

    best = np.full((most + 1, n + 1), np.inf)
    best[0, 0] = 0.0
    came = np.zeros((most + 1, n + 1), dtype=int)
    for k in range(1, most + 1):
        for end in range(_SHORTEST * k, n + 1):
            starts = np.arange(_SHORTEST * (k - 1), end - _SHORTEST + 1)
            tried = best[k - 1, starts] + cost(starts, end)
            at = int(tried.argmin())
            best[k, end], came[k, end] = tried[at], starts[at]
    price = [best[k, n] / noise + 3 * k * math.log(n) for k in range(1, most + 1)]
    k, end, edges = int(np.argmin(price)) + 1, n, [n]
    while k:
        end = came[k, end]
        edges.append(end)
        k -= 1
    return [float(grid[i]) for i in _without_scraps(mean, edges[::-1])]


def _without_scraps(level: np.ndarray, edges: list[int]) -> list[int]:
    """Edges without the short stretches in which a step falls: each goes to the neighbour whose level is nearer."""
    while len(edges) > 2:
        scrap = next((i for i in range(len(edges) - 1) if edges[i + 1] - edges[i] <= _SHORTEST), None)
        if scrap is None:
            break
        means = [float(level[a:b].mean()) for a, b in pairwise(edges)]
        before = abs(means[scrap] - means[scrap - 1]) if scrap > 0 else math.inf
        behind = abs(means[scrap] - means[scrap + 1]) if scrap + 1 < len(means) else math.inf
        edges = [e for i, e in enumerate(edges) if i != (scrap if before < behind else scrap + 1)]
    return edges


def _middle(at_s: np.ndarray, power_w: np.ndarray, first: int, behind: int, middle_s: float) -> float:
    """Median of the samples from one place to another; between samples, where there is none."""
    inside = power_w[first:behind]
    return float(np.median(inside)) if len(inside) else float(np.interp(middle_s, at_s, power_w))


def _cut(at_s: np.ndarray, power_w: np.ndarray, span: Span) -> tuple[np.ndarray, np.ndarray]:
    low, high = max(span.begin_s, float(at_s[0])), min(span.end_s, float(at_s[-1]))
    if high <= low:
        return np.empty(0), np.empty(0)
    inside = (at_s > low) & (at_s < high)
    ends = np.interp([low, high], at_s, power_w)
    return np.r_[low, at_s[inside], high], np.r_[ends[0], power_w[inside], ends[1]]


def _weights(t: np.ndarray) -> np.ndarray:
    steps = np.diff(t)
    made: np.ndarray = (np.r_[steps, 0.0] + np.r_[0.0, steps]) / 2
    return made
