"""Values that carry their uncertainty, and the typed answer for what the data cannot tell."""

import math
from collections.abc import Callable
from dataclasses import dataclass

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


@dataclass(frozen=True, slots=True)
class Estimate:
    """A value with standard uncertainty `u` and degrees of freedom `dof` (infinite where u is known)."""

    value: float
    u: float
    dof: float = math.inf

    @property
    def expanded(self) -> float:
        """Expanded uncertainty U at 95 % coverage: t(dof)·u, 1.96·u as dof grows (GUM G.3)."""
        return coverage_factor(self.dof) * self.u

    @property
    def low(self) -> float:
        return self.value - self.expanded

    @property
    def high(self) -> float:
        return self.value + self.expanded


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
