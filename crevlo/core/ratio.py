"""Times actual against times estimated."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from crevlo.core.estimate import BadInput, NotDetermined


@dataclass(frozen=True, slots=True)
class TimeRatio:
    """Geometric mean of actual over estimated times, and the factor by which a single one usually strays from it (1 for
    none; None for one print)."""

    mean: float
    spread: float | None
    prints: int


def time_ratio(pairs: Sequence[tuple[float, float]]) -> TimeRatio:
    """Of (actual, estimated) in s. Raises NotDetermined without any, BadInput for times that are not above 0."""
    if not pairs:
        raise NotDetermined("a print with an estimate that came through")
    if any(not a > 0 or not b > 0 for a, b in pairs):
        raise BadInput("actual and estimated times must be above 0")
    logs = [math.log(a / b) for a, b in pairs]
    mean = math.fsum(logs) / len(logs)
    spread = None
    if len(logs) > 1:
        spread = math.exp(math.sqrt(math.fsum((x - mean) ** 2 for x in logs) / (len(logs) - 1)))
    return TimeRatio(math.exp(mean), spread, len(logs))
