"""Spreads pooled, means over copies and lines, effective degrees of freedom: once, here."""

import math
from collections.abc import Hashable, Mapping, Sequence
from dataclasses import dataclass, field
from statistics import median

import numpy as np
from scipy.special import fdtrc

from crevlo.core.estimate import Estimate, NotDetermined, Shared, effective_dof, made_of, mean_shared


def scatter(repeats: Sequence[float]) -> tuple[int, float]:
    """Degrees of freedom of repeats of one thing, and the sum of their squares about their mean."""
    if len(repeats) < 2:
        return 0, 0.0
    mean = math.fsum(repeats) / len(repeats)
    return len(repeats) - 1, math.fsum((x - mean) ** 2 for x in repeats)


def pool_scatter(groups: Sequence[Sequence[float]]) -> tuple[float, int]:
    """Pooled standard deviation within groups of repeats and its degrees of freedom.

    Raises NotDetermined when no group has two readings.
    """
    apart = [scatter(group) for group in groups]
    dof = sum(n for n, _ in apart)
    if dof <= 0:
        raise NotDetermined("two readings of the same feature")
    return math.sqrt(sum(squares for _, squares in apart) / dof), dof


def variance_between(x: np.ndarray, u: np.ndarray) -> tuple[float, float]:
    """Variance τ² of the true values behind figures `x` of standard uncertainties `u` (above 0), and Cochran's Q.

    Source: DerSimonian and Laird 1986.
    """
    w = 1 / u**2
    q = float(w @ (x - (w @ x) / w.sum()) ** 2)
    return max(0.0, (q - (len(x) - 1)) / float(w.sum() - (w**2).sum() / w.sum())), q


def sample_mean(values: Sequence[float], what: str) -> Estimate:
    """Mean of `values` with u = s/√n and n − 1 degrees of freedom. Raises NotDetermined for fewer than two of `what`."""
    n = len(values)
    if n < 2:
        raise NotDetermined(f"two or more {what}")
    mean = math.fsum(values) / n
    spread = math.sqrt(math.fsum((v - mean) ** 2 for v in values) / (n - 1))
    return Estimate(mean, spread / math.sqrt(n), n - 1)


def mean_of_raters(said: Sequence[float]) -> Estimate:
    """Mean of what people said in whole steps: u² = s²/n + 1/12, as each had to choose a step.

    Raises NotDetermined without any.
    """
    if not said:
        raise NotDetermined("somebody who judged it")
    n, mean = len(said), math.fsum(said) / len(said)
    s2 = math.fsum((x - mean) ** 2 for x in said) / (n - 1) if n > 1 else 0.0
    return Estimate(mean, math.sqrt(s2 / n + 1 / 12))


@dataclass(frozen=True, slots=True)
class Line:
    """Values of one line (artifact and material) by machine, their spread pooled over all machines, and what errors of
    instruments the values of a machine share."""

    name: str
    values: Mapping[Hashable, Sequence[float]]
    spread: float | None
    dof: int
    shared: Mapping[Hashable, Shared] = field(default_factory=dict)
    alike: bool = True
    key: Hashable = None

    def spread_of(self, machine: Hashable) -> tuple[float, int] | None:
        """Standard deviation between copies with its dof: pooled over the machines where they are `alike`, else that of its
        own copies, where it has several."""
        if self.spread is None:
            return None
        own = self.values.get(machine, [])
        if len(own) > 1 and not self.alike:
            return pool_scatter([own])
        return self.spread, self.dof


def line(
    name: str,
    values: Mapping[Hashable, Sequence[float]],
    shared: Mapping[Hashable, Shared] | None = None,
    key: Hashable = None,
) -> Line:
    """A line with its spread between copies; None where no machine has a second one."""
    try:
        spread, dof = pool_scatter([v for v in values.values() if v])
    except NotDetermined:
        return Line(name, values, None, 0, shared or {}, key=key)
    return Line(name, values, spread, dof, shared or {}, _alike(list(values.values())), key)


def _alike(groups: Sequence[Sequence[float]]) -> bool:
    """Whether spreads of several groups may be one, at 5 %; fewer than three in a group tell nothing of it.

    Source: Brown and Forsythe 1974, Levene's test about the medians.
    """
    many = [g for g in groups if len(g) >= _ENOUGH_TO_TELL]
    if len(many) < 2 or not any(max(g) > min(g) for g in many):
        return True
    # Groups are of a few copies: an array for each would take longer than its sums.
    off = [[abs(x - middle) for x in g] for g in many for middle in (median(g),)]
    n, k = sum(map(len, off)), len(off)
    means = [math.fsum(o) / len(o) for o in off]
    whole = math.fsum(len(o) * mean for o, mean in zip(off, means, strict=True)) / n
    between = math.fsum(len(o) * (mean - whole) ** 2 for o, mean in zip(off, means, strict=True)) / (k - 1)
    within = math.fsum((x - mean) ** 2 for o, mean in zip(off, means, strict=True) for x in o) / (n - k)
    if within == 0:
        return between == 0
    return not fdtrc(k - 1, n - k, between / within) < 0.05


_ENOUGH_TO_TELL = 3


def widest(lines: Sequence[Line]) -> Line | None:
    """The line whose copies spread most; None where none has a second copy."""
    return max((one for one in lines if one.spread is not None), key=lambda one: one.spread or 0, default=None)


def mean_over_lines(
    lines: Sequence[Line], machine: Hashable, needs: str, own_fixed: float = 0.0, s_least: float = 0.0
) -> Estimate:
    """Mean over the lines of each line's mean of `machine`: own² = Σ s²/n / lines² + fixed², beside the shared parts.

    s, at least `s_least`, is pooled over the machines, because few copies say little alone; a line without any second copy borrows the widest
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
        spread = (one if one.spread is not None else borrowed or one).spread_of(machine)
        if spread is None:
            raise NotDetermined("a second copy on some machine, to know the spread")
        means.append(math.fsum(values) / len(values))
        s, dof = (spread[0], spread[1]) if spread[0] >= s_least else (s_least, math.inf)
        scatters.append((s**2 / len(values), dof))
    n = len(lines)
    # Welch–Satterthwaite over the lines: one effective term with the scatter's own degrees of freedom.
    scatter = sum(v for v, _ in scatters)
    fourth = sum(v**2 / dof for v, dof in scatters if dof)
    own2 = scatter / n**2 + own_fixed**2
    dof = effective_dof(own2, scatter / n**2, scatter**2 / fourth if fourth else math.inf)
    shared = mean_shared([one.shared.get(machine, {}) for one in lines])
    return made_of(math.fsum(means) / n, math.sqrt(own2), dof, shared)


def is_borrowed(lines: Sequence[Line], machine: Hashable) -> bool:
    """Whether the machine has one copy of each line only, so that its spread is that of the others' copies."""
    return bool(lines) and all(len(one.values.get(machine, [])) == 1 for one in lines)
