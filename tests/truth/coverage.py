"""How often the stated 95 % intervals of figures, and of differences between machines, hold what is true."""

import math
from collections import defaultdict
from collections.abc import Iterable
from dataclasses import dataclass, field

from crevlo.core.estimate import NotDetermined
from crevlo.core.evaluations import EVALUATION_OF
from crevlo.core.evidence import Evidence
from crevlo.core.figure import Counted, Figure, Known, difference_interval, interval
from tests.truth.study import Setting, study

GOAL = (0.93, 0.97)


@dataclass
class Held:
    """Intervals that held the hidden figure, of those stated; `widths` are half widths."""

    held: int = 0
    stated: int = 0
    widths: list[float] = field(default_factory=list)
    errors: list[float] = field(default_factory=list)
    """In units of the half width / 1.96."""

    def add(self, low: float, high: float, true: float, stated: float | None = None) -> None:
        """What is exact, or states no width, is no interval."""
        if low == high:
            return
        self.held += low <= true <= high
        self.stated += 1
        half = (high - low) / 2
        self.widths.append(half)
        self.errors.append(1.96 * ((low + high) / 2 - true if stated is None else stated - true) / half)

    def join(self, other: "Held") -> None:
        self.held, self.stated = self.held + other.held, self.stated + other.stated
        self.widths += other.widths
        self.errors += other.errors

    @property
    def size(self) -> float:
        return math.sqrt(math.fsum(e * e for e in self.errors) / len(self.errors)) if self.errors else 1.0

    @property
    def lean(self) -> float:
        """Mean error, in units of the mean half width / 1.96."""
        if not self.errors:
            return 0.0
        return math.fsum(e * w for e, w in zip(self.errors, self.widths, strict=True)) / math.fsum(self.widths)

    @property
    def share(self) -> float:
        return self.held / self.stated if self.stated else float("nan")


def figures_of(evidence: Evidence, codes: Iterable[str]) -> dict[str, list[Figure]]:
    """Figures by quantity and machine, each evaluation run once."""
    results = {EVALUATION_OF[c].code: EVALUATION_OF[c] for c in codes}
    made = {code: e.of_machines(evidence).figures for code, e in results.items()}
    return {c: [made[EVALUATION_OF[c].code][c][m] for m in evidence.machines] for c in codes}


def stated_of(figure: Known) -> float:
    """The plain figure: of a count k of n."""
    return figure.good / figure.tries if isinstance(figure, Counted) else figure.value


def coverage(setting: Setting, studies: int, seed: int = 0) -> tuple[dict[str, Held], dict[str, Held]]:
    """Over so many studies: by quantity how figures, and how differences of two machines, are held."""
    figures: dict[str, Held] = defaultdict(Held)
    apart: dict[str, Held] = defaultdict(Held)
    for number in range(studies):
        evidence, hidden = study(setting, seed + number)
        found = figures_of(evidence, hidden)
        for code, true in hidden.items():
            for figure, value in zip(found[code], true, strict=True):
                if not isinstance(figure, NotDetermined):
                    figures[code].add(*interval(figure), value, stated_of(figure))
            for k in range(0, len(true) - 1, 2):
                a, b = found[code][k : k + 2]
                if not isinstance(a, NotDetermined) and not isinstance(b, NotDetermined):
                    apart[code].add(*difference_interval(a, b), true[k] - true[k + 1])
    return figures, apart
