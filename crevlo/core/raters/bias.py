"""Whether a rater scores otherwise once machines are known, higher or lower than others, or drifts over a sitting."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from crevlo.core.estimate import BadInput, Estimate, NotDetermined
from crevlo.core.statistics import sample_mean


def revealed_bias(pairs: Sequence[tuple[float, float]]) -> Estimate:
    """Mean of revealed less blind over (blind, revealed) scores of the same specimens, with U by t.

    Raises NotDetermined for fewer than two pairs, BadInput for scores that are not finite.
    """
    if not all(math.isfinite(x) for pair in pairs for x in pair):
        raise BadInput("scores must be finite")
    return sample_mean([after - before for before, after in pairs], "pairs of scores")


@dataclass(frozen=True, slots=True)
class Rater:
    """Of one rater against the others' mean on the same things: how much higher, and how that moves per ten scores."""

    higher: Estimate | NotDetermined
    drift: Estimate | NotDetermined


def against_others(scores: Sequence[tuple[float, float]]) -> Rater:
    """Of (own, mean of the others) in the order they were given. What cannot be told apart from none is still given with its
    U. Source: least squares over the order, GUM F.1.2."""
    off = [own - others for own, others in scores]
    if not all(map(math.isfinite, off)):
        raise BadInput("scores must be finite")
    try:
        higher: Estimate | NotDetermined = sample_mean(off, "scores of the same things")
    except NotDetermined as few:
        higher = few
    n = len(off)
    if n < 6:
        return Rater(higher, NotDetermined("six scores of the same things"))
    middle, mean = (n - 1) / 2, math.fsum(off) / n
    spread = math.fsum((k - middle) ** 2 for k in range(n))
    slope = math.fsum((k - middle) * (x - mean) for k, x in enumerate(off)) / spread
    left = math.fsum((x - mean - slope * (k - middle)) ** 2 for k, x in enumerate(off)) / (n - 2)
    return Rater(higher, Estimate(10 * slope, 10 * math.sqrt(left / spread), n - 2))
