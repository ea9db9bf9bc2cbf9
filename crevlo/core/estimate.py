"""Values that carry their uncertainty, and the typed answer for what the data cannot tell."""

import math
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field

from scipy.special import stdtrit

NORMAL_COVERAGE = 1.959963984540054


class BadInput(ValueError):
    """Input that cannot be used; the message is one sentence in the user's words."""


class NotDetermined(Exception):
    """The data does not suffice; `needs` says in words what is missing."""

    def __init__(self, needs: str) -> None:
        super().__init__(f"not determined: needs {needs}")
        self.needs = needs

    def __eq__(self, other: object) -> bool:
        return isinstance(other, NotDetermined) and other.needs == self.needs

    def __hash__(self) -> int:
        return hash(self.needs)


Shared = Mapping[str, float]
"""By the name of an error that several figures have in common: signed sensitivity × standard uncertainty, in the figure's unit."""


@dataclass(frozen=True, slots=True)
class Estimate:
    """A value with standard uncertainty `u` and degrees of freedom `dof` (infinite where u is known), `of_own` those of its own
    part where that was estimated apart.

    `shared` are the parts of u that other figures share, by source: u² = own² + Σ shared². In a difference those of one
    source subtract, with their sign, before they are squared. `along` names what the own part of several figures of one
    machine goes with (its prints' length in time and in energy), and its correlation with that.
    """

    value: float
    u: float
    dof: float = math.inf
    shared: Shared = field(default_factory=dict, hash=False)
    of_own: float | None = None
    along: tuple[str, float] | None = None

    @property
    def expanded(self) -> float:
        """Expanded uncertainty U at 95 % coverage: t(dof)·u, 1.96·u as dof grows (GUM G.3).

        Where the own part has few degrees of freedom of its own, one t for the whole would be too small by up to a third:
        then t(ν)·own and 1.96·shared as a root of squares, within 2 % of the exact quantile of their sum.
        """
        if self.of_own is None or not self.shared:
            return coverage_factor(self.dof) * self.u
        return math.hypot(coverage_factor(self.of_own) * self.own, NORMAL_COVERAGE * self.u_shared)

    @property
    def low(self) -> float:
        return self.value - self.expanded

    @property
    def high(self) -> float:
        return self.value + self.expanded

    @property
    def u_shared(self) -> float:
        return math.sqrt(math.fsum(s * s for s in self.shared.values()))

    @property
    def own(self) -> float:
        """The part of u that no other figure shares."""
        return math.sqrt(max(self.u**2 - self.u_shared**2, 0.0)) if self.shared else self.u

    @property
    def own_dof(self) -> float:
        """Degrees of freedom of the own part: the shared ones are known."""
        if self.of_own is not None:
            return self.of_own
        if not self.shared or not math.isfinite(self.dof) or self.u == 0:
            return self.dof
        return max(1.0, self.dof * (self.own / self.u) ** 4)


def made_of(value: float, own: float, own_dof: float = math.inf, shared: Shared | None = None) -> Estimate:
    """An estimate from its own part of u, with the dof of that, and the parts it shares."""
    parts = {source: s for source, s in (shared or {}).items() if s}
    u2 = own**2 + math.fsum(s * s for s in parts.values())
    return Estimate(value, math.sqrt(u2), effective_dof(u2, own**2, own_dof), parts, own_dof)


def scaled(e: Estimate, factor: float) -> Estimate:
    along = (e.along[0], math.copysign(1.0, factor) * e.along[1]) if e.along else None
    shared = {source: factor * s for source, s in e.shared.items()}
    return Estimate(factor * e.value, abs(factor) * e.u, e.dof, shared, e.of_own, along)


def difference(a: Estimate, b: Estimate) -> Estimate:
    """a − b: what both share of one source cancels as far as it goes the same way; the own parts add.

    Degrees of freedom are the fewer of the two: figures of machines rest on one pooled spread, which two of them do not
    make better known.
    """
    shared = {s: a.shared.get(s, 0.0) - b.shared.get(s, 0.0) for s in {*a.shared, *b.shared}}
    dof = min((e.own_dof for e in (a, b) if e.own), default=math.inf)
    return made_of(a.value - b.value, math.hypot(a.own, b.own), dof, shared)


def mean_shared(parts: Sequence[Shared]) -> dict[str, float]:
    """The shared parts of a mean of equally weighted figures."""
    total: dict[str, float] = {}
    for part in parts:
        for source, s in part.items():
            total[source] = total.get(source, 0.0) + s / len(parts)
    return total


def effective_dof(variance: float, scatter: float, scatter_dof: float) -> float:
    """Welch–Satterthwaite for a variance of which only the part `scatter` was estimated, with its dof (GUM G.4)."""
    if scatter <= 0 or not math.isfinite(scatter_dof):
        return math.inf
    ratio = variance / scatter
    return ratio * ratio * scatter_dof


def coverage_factor(dof: float) -> float:
    """Two-sided 95 % factor of Student's t for `dof` degrees of freedom."""
    if not math.isfinite(dof) or dof > 1e6:
        return NORMAL_COVERAGE
    return float(stdtrit(dof, 0.975))


def determined(rule: Callable[[], Estimate]) -> Estimate | NotDetermined:
    """The rule's estimate, or the NotDetermined it raised, as a value."""
    try:
        return rule()
    except NotDetermined as missing:
        return missing
