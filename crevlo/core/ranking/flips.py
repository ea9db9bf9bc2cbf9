"""What would put another machine first: one weight moved, or one figure measured otherwise."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from crevlo.core.ranking.points import normalised
from crevlo.core.ranking.value import ValueFunction, raw_reaching


@dataclass(frozen=True, slots=True)
class WeightFlip:
    """Beyond `share` of 1 for `criterion`, the others kept in proportion, machine `becomes` is first."""

    criterion: int
    share: float
    rises: bool
    becomes: int


@dataclass(frozen=True, slots=True)
class FigureFlip:
    """With the figure of `machine` at `criterion` beyond `raw`, machine `becomes` is first."""

    machine: int
    criterion: int
    raw: float
    points: float  # by how much the figure's value 0..100 moves
    becomes: int


def weight_flips(weights: Sequence[float], values: Sequence[Sequence[float]]) -> list[WeightFlip]:
    """Every weight that makes another machine first when it alone moves, the nearest change first.

    `values` has shape (machines, criteria), all of them known. Totals are straight lines in a weight's share, so the
    nearest crossing of the leader's line on either side is where the first place changes hands.
    """
    shares, table = normalised(weights), np.asarray(values, float)
    if len(table) < 2:
        return []
    leader = int(np.argmax(table @ shares))
    found = []
    for c, share in enumerate(shares):
        if not 1 - share > 1e-12:
            continue
        rest = (np.delete(table, c, axis=1) @ np.delete(shares, c)) / (1 - share)
        behind = rest - rest[leader]
        slope = (table[:, c] - table[leader, c]) - behind
        for rises in (True, False):
            crossing = [
                (-behind[m] / slope[m], -abs(slope[m]), m)
                for m in range(len(table))
                if m != leader and slope[m] != 0 and (slope[m] > 0) == rises
                and _inside(-behind[m] / slope[m], share, rises)
            ]  # fmt: skip
            if crossing:
                at, _, m = min(crossing) if rises else min(crossing, key=lambda x: (-x[0], x[1]))
                found.append(WeightFlip(c, float(max(at, share) if rises else min(at, share)), rises, m))
    return sorted(found, key=lambda f: abs(f.share - shares[f.criterion]))


def _inside(at: float, share: float, rises: bool) -> bool:
    # At the very end of the scale both would only draw level.
    return share - 1e-12 <= at < 1 if rises else 0 < at <= share + 1e-12


def figure_flips(
    weights: Sequence[float],
    values: Sequence[Sequence[float]],
    raws: Sequence[Sequence[float]],
    functions: Sequence[ValueFunction],
) -> list[FigureFlip]:
    """Every single figure that would change the first place, the smallest change in points of its criterion first.

    A machine behind with a better figure, or the leader with a worse one; of machines that are level there is none to name,
    whatever changes decides. Shapes (machines, criteria), all known.
    """
    shares, table = normalised(weights), np.asarray(values, float)
    if len(table) < 2:
        return []
    totals = table @ shares
    order = np.argsort(-totals, kind="stable")
    leader, second = int(order[0]), int(order[1])
    found = []
    for c, (share, function) in enumerate(zip(shares, functions, strict=True)):
        if not share > 0:
            continue
        for m in range(len(table)):
            gap = totals[leader] - (totals[second] if m == leader else totals[m])
            up = m != leader
            moved = gap / share
            if not moved > 1e-9:
                continue
            raw = raw_reaching(function, table[m, c] + (moved if up else -moved), raws[m][c], up=up)
            if raw is not None:
                found.append(FigureFlip(m, c, raw, float(moved), m if up else second))
    return sorted(found, key=lambda f: f.points)
