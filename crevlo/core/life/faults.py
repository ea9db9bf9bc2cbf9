"""Faults over the hours of a machine's life: rates by stretch, and whether they become more or fewer."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from scipy.special import betainc, comb, factorial, ndtr

from crevlo.core.estimate import BadInput, NotDetermined
from crevlo.core.percent import percent
from crevlo.core.success import FaultRate, fault_rate

# Shorter stretches hold too few faults to say anything.
_STRETCH_H, _MOST_STRETCHES = 50.0, 8
_FEW = 3
# From so many on the sum of uniform moments is normal to three digits.
_NORMAL_FROM = 12
_CHANCE = 0.05


@dataclass(frozen=True, slots=True)
class Stretch:
    """Faults between two readings of the hours, and their rate for 100 h."""

    begins_h: float
    ends_h: float
    faults: int
    rate: FaultRate


@dataclass(frozen=True, slots=True)
class Trend:
    """`statistic` is Laplace's U, above 0 where faults come later than they would at a steady rate; `p` is how often a steady
    rate gives one as far from 0."""

    statistic: float
    p: float

    @property
    def changes(self) -> bool:
        return self.p <= _CHANCE

    @property
    def words(self) -> str:
        if not self.changes:
            return f"no trend: a steady rate gives such an order in {100 * self.p:.0f} % of cases"
        return (
            f"faults come {'more' if self.statistic > 0 else 'less'} often as it ages ({percent(self.p)} by chance)"
        )


def stretches(at_hours: Sequence[float], total_h: float, begins_h: float = 0.0) -> list[Stretch]:
    """The life since it was watched in equal parts of 50 h or more, at most eight. Raises BadInput for hours that are not
    above those it begins with."""
    watched = total_h - begins_h
    if not watched > 0:
        raise BadInput("a fault rate needs hours above 0")
    parts = max(1, min(_MOST_STRETCHES, int(watched // _STRETCH_H)))
    width = watched / parts
    counts = [0] * parts
    for hour in at_hours:
        counts[min(parts - 1, max(0, int((hour - begins_h) / width)))] += 1
    return [
        Stretch(begins_h + k * width, begins_h + (k + 1) * width, n, fault_rate(n, width))
        for k, n in enumerate(counts)
    ]


def trend(at_hours: Sequence[float], total_h: float, begins_h: float = 0.0) -> Trend:
    """Laplace's test of a steady rate over a life that was watched from `begins_h` to `total_h`: exact for few faults by the
    sum of uniform moments (Irwin and Hall), normal for many. Raises NotDetermined for fewer than three faults."""
    n = len(at_hours)
    if n < _FEW or not total_h > begins_h:
        raise NotDetermined("three faults or more at known hours")
    shares = [min(1.0, max(0.0, (h - begins_h) / (total_h - begins_h))) for h in at_hours]
    mean = math.fsum(shares) / n
    statistic = (mean - 0.5) * math.sqrt(12 * n)
    if n >= _NORMAL_FROM:
        return Trend(statistic, float(2 * ndtr(-abs(statistic))))
    total = min(math.fsum(shares), n - math.fsum(shares))
    below = math.fsum((-1) ** k * float(comb(n, k)) * (total - k) ** n for k in range(math.floor(total) + 1)) / float(
        factorial(n)
    )
    return Trend(statistic, min(1.0, 2 * max(0.0, below)))


def more_than_before(faults_before: int, hours_before: float, faults_since: int, hours_since: float) -> float:
    """How often, at one and the same rate, so many of all faults or more fall into the later hours: the conditional test of
    two Poisson rates (Przyborowski and Wilenski 1940)."""
    n = faults_before + faults_since
    if n == 0 or not hours_since > 0 or not hours_before > 0:
        return 1.0
    share = hours_since / (hours_before + hours_since)
    # P(X ≥ k) of a binomial.
    return 1.0 if faults_since == 0 else float(betainc(faults_since, n - faults_since + 1, share))
