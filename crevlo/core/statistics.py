"""Spreads pooled, means over copies and lines, effective degrees of freedom: once, here."""

import math
from collections.abc import Hashable, Mapping, Sequence
from dataclasses import dataclass

from crevlo.core.estimate import Estimate, NotDetermined


def effective_dof(variance: float, scatter: float, scatter_dof: float) -> float:
    """Welch–Satterthwaite for a variance of which only the part `scatter` was estimated, with its dof (GUM G.4)."""
    if scatter <= 0 or not math.isfinite(scatter_dof):
        return math.inf
    ratio = variance / scatter
    return ratio * ratio * scatter_dof


def pool_scatter(groups: Sequence[Sequence[float]]) -> tuple[float, int]:
    """Pooled standard deviation within groups of repeats and its degrees of freedom.

    Raises NotDetermined when no group has two readings.
    """
    dof = sum(len(group) - 1 for group in groups if group)
    if dof <= 0:
        raise NotDetermined("two readings of the same feature")
    total = 0.0
    for group in groups:
        mean = math.fsum(group) / len(group) if group else 0.0
        total += math.fsum((x - mean) ** 2 for x in group)
    return math.sqrt(total / dof), dof


def sample_mean(values: Sequence[float], what: str) -> Estimate:
    """Mean of `values` with u = s/√n and n − 1 degrees of freedom. Raises NotDetermined for fewer than two of `what`."""
    n = len(values)
    if n < 2:
        raise NotDetermined(f"two or more {what}")
    mean = math.fsum(values) / n
    spread = math.sqrt(math.fsum((v - mean) ** 2 for v in values) / (n - 1))
    return Estimate(mean, spread / math.sqrt(n), n - 1)


@dataclass(frozen=True, slots=True)
class Line:
    """Values of one line (artifact and material) by machine, and their spread pooled over all machines."""

    name: str
    values: Mapping[Hashable, Sequence[float]]
    spread: float | None
    dof: int


def line(name: str, values: Mapping[Hashable, Sequence[float]]) -> Line:
    """A line with its spread between copies; None where no machine has a second one."""
    try:
        spread, dof = pool_scatter([v for v in values.values() if v])
    except NotDetermined:
        return Line(name, values, None, 0)
    return Line(name, values, spread, dof)


def widest(lines: Sequence[Line]) -> Line | None:
    """The line whose copies spread most; None where none has a second copy."""
    return max((one for one in lines if one.spread is not None), key=lambda one: one.spread or 0, default=None)


def mean_over_lines(lines: Sequence[Line], machine: Hashable, u_fixed: float, needs: str) -> Estimate:
    """Mean over the lines of each line's mean of `machine`, u² = Σ s²/n / lines² + fixed².

    s is pooled over the machines, because few copies say little alone; a line without any second copy borrows the widest
    spread of the others. Raises NotDetermined where a line has no value of the machine, or no line a second copy.
    """
    if not lines:
        raise NotDetermined(needs)
    borrowed = widest(lines)
    means, scatters = [], []
    for one in lines:
        values = one.values.get(machine, [])
        if not values:
            raise NotDetermined(needs if len(lines) == 1 else f"{needs} of the {one.name}")
        own = one if one.spread is not None else borrowed
        if own is None or own.spread is None:
            raise NotDetermined("a second copy on some machine, to know the spread")
        means.append(math.fsum(values) / len(values))
        scatters.append((own.spread**2 / len(values), own.dof))
    n = len(lines)
    u2 = sum(s for s, _ in scatters) / n**2 + u_fixed**2
    # Welch–Satterthwaite over the lines: one effective term with the scatter's own degrees of freedom.
    scatter = sum(s for s, _ in scatters)
    fourth = sum(s**2 / dof for s, dof in scatters if dof)
    dof = scatter**2 / fourth if fourth else 0
    return Estimate(math.fsum(means) / n, math.sqrt(u2), effective_dof(u2, scatter / n**2, dof))
