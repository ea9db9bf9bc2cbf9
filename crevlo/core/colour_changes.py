"""How long a colour change takes, from the power that a machine draws meanwhile."""

import math
from itertools import pairwise

import numpy as np

from crevlo.core.estimate import Estimate, NotDetermined

# What is longer is a pause.
_LONGEST_S = 600.0
_FLOOR_W = 5.0


def change_time(at_s: np.ndarray, power_w: np.ndarray, planned: int) -> Estimate:
    """Mean s of one colour change, with `planned` of them in the print whose trace this is: W at s, without warm-up and
    cooling.

    While a machine changes the filament its power stands on another level. Two levels are told apart by Otsu's threshold
    (1979) on the logarithm of the power; stretches of the rarer one count only where there are as many as changes were
    planned, one in twenty more or fewer, at least one: what else moves the power would count as changes. Raises
    NotDetermined where they are not, where the levels do not stand apart, or where the meter samples too seldom.
    """
    if planned < 2:
        raise NotDetermined("two colour changes in one print")
    if len(at_s) < 20:
        raise NotDetermined("power samples of the print")
    step_s = float(np.median(np.diff(at_s)))
    level = np.log(np.maximum(_smooth(power_w), 0.0) + _FLOOR_W)
    upper = level > _threshold(level)
    rare = upper if upper.mean() < 0.5 else ~upper
    within = max(float(level[upper].std()), float(level[~upper].std())) if 0 < upper.mean() < 1 else math.inf
    if within == math.inf or abs(level[upper].mean() - level[~upper].mean()) < 3 * within:
        raise NotDetermined("another power while it changes than while it prints")
    spans = [s for s in _stretches(at_s, rare) if s < _LONGEST_S]
    if abs(len(spans) - planned) > max(1, planned // 20):
        raise NotDetermined(
            f"as many stretches of another power as its file has changes: {planned}, not {len(spans)}"
        )
    seconds = np.array(spans)
    mean = float(seconds.mean())
    if mean < 2 * step_s:
        raise NotDetermined(f"a meter that samples more often than every {step_s:.0f} s")
    n = len(seconds)
    # Each edge lies anywhere between two samples.
    scatter = math.hypot(float(seconds.std(ddof=1)), step_s / math.sqrt(6) / math.sqrt(n))
    return Estimate(mean, scatter / math.sqrt(n), n - 1)


def _smooth(power_w: np.ndarray) -> np.ndarray:
    """Median of three neighbours: one odd sample is no change."""
    around = np.r_[power_w[:1], power_w, power_w[-1:]]
    smooth: np.ndarray = np.median(np.stack([around[:-2], around[1:-1], around[2:]]), axis=0)
    return smooth


def _threshold(level: np.ndarray) -> float:
    """Where two classes are furthest apart between them, by their shares (Otsu 1979)."""
    ordered = np.sort(level)
    n = len(ordered)
    below = np.arange(1, n)
    sums = np.cumsum(ordered)
    means = sums[:-1] / below, (sums[-1] - sums[:-1]) / (n - below)
    between = below * (n - below) * (means[1] - means[0]) ** 2
    at = int(between.argmax())
    return float((ordered[at] + ordered[at + 1]) / 2)


def _stretches(at_s: np.ndarray, rare: np.ndarray) -> list[float]:
    """Lengths in s of the stretches that are `rare`, from half a sample before to half a sample after; those at the two
    ends of the trace are cut off and left out."""
    turns = np.flatnonzero(np.diff(rare.astype(int))) + 1
    middle = (at_s[turns - 1] + at_s[turns]) / 2
    return [float(b - a) for (a, b), turn in zip(pairwise(middle), turns[:-1], strict=True) if rare[turn]]
