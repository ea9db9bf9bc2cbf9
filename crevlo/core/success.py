"""Chance that a print comes out, from counted attempts."""

from dataclasses import dataclass
from enum import StrEnum

from scipy.special import betaincinv, gammaincinv

from crevlo.core.estimate import BadInput


class Outcome(StrEnum):
    """How an attempt ended."""

    DONE = "done"
    FAILED = "failed"
    STOPPED = "stopped"  # by a person, for a reason outside the print


class Cause(StrEnum):
    """Why an attempt failed."""

    MACHINE = "machine"
    PROFILE = "profile"  # the maker's or the study's slicing profile
    MATERIAL = "material"
    OPERATOR = "operator"
    POWER = "power"
    UNKNOWN = "unknown"


# Machine and profile count against the machine; an unknown cause is not excused.
DEFAULT_COUNTED = frozenset({Cause.MACHINE, Cause.PROFILE, Cause.UNKNOWN})


@dataclass(frozen=True, slots=True)
class SuccessChance:
    """Chance of a good print: posterior mean, 95 % interval, expected tries per good print."""

    good: int
    tries: int
    mean: float
    low: float
    high: float

    @property
    def tries_per_good(self) -> float:
        return 1.0 / self.mean


def success_chance(good: int, tries: int) -> SuccessChance:
    """Jeffreys interval Beta(k+½, n−k+½), with 0 and 1 kept at the ends. Source: Brown, Cai, DasGupta 2001.

    Raises BadInput unless 0 ≤ good ≤ tries.
    """
    if not 0 <= good <= tries:
        raise BadInput(f"{good} good of {tries} attempts is not possible")
    a, b = good + 0.5, tries - good + 0.5
    low = 0.0 if good == 0 else float(betaincinv(a, b, 0.025))
    high = 1.0 if good == tries else float(betaincinv(a, b, 0.975))
    return SuccessChance(good, tries, a / (a + b), low, high)


@dataclass(frozen=True, slots=True)
class FaultRate:
    """Faults per 100 h: median and 95 % interval."""

    median: float
    low: float
    high: float


def fault_rate(faults: int, hours: float) -> FaultRate:
    """Gamma(k+½, hours) scaled to 100 h, so that unequal hours compare fairly."""
    if faults < 0 or not hours > 0:
        raise BadInput("a fault rate needs a count from 0 and hours above 0")
    low, median, high = (float(gammaincinv(faults + 0.5, q)) * 100 / hours for q in (0.025, 0.5, 0.975))
    return FaultRate(median, low, high)
