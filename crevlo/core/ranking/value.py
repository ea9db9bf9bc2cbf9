"""Value functions: how a raw figure becomes 0..100 points."""

from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum

import numpy as np

from crevlo.core.estimate import BadInput


class Shape(StrEnum):
    LINEAR = "linear"  # straight between a worst and a best anchor
    PIECEWISE = "piecewise"  # straight between given points
    THRESHOLDS = "thresholds"  # steps: the value of the last threshold reached
    LOGARITHMIC = "logarithmic"  # equal ratios give equal points


@dataclass(frozen=True, slots=True)
class ValueFunction:
    """Points (raw, value) in rising raw order; linear and logarithmic take two: worst and best."""

    shape: Shape
    points: tuple[tuple[float, float], ...]


def linear(worst: float, best: float) -> ValueFunction:
    """0 at `worst`, 100 at `best`, clamped outside; either may be the larger."""
    return value_function(Shape.LINEAR, [(worst, 0.0), (best, 100.0)])


def value_function(shape: Shape, points: Sequence[tuple[float, float]]) -> ValueFunction:
    """Checked value function; raises BadInput when anchors coincide, values leave 0..100 or logs are impossible."""
    ordered = tuple(sorted((float(raw), float(value)) for raw, value in points))
    if len(ordered) < 2 or not np.isfinite(ordered).all():
        raise BadInput("a value function needs two anchors that are numbers")
    raws = [raw for raw, _ in ordered]
    if len(set(raws)) != len(raws):
        raise BadInput("the worst and the best anchor of a criterion must differ")
    if any(not 0 <= value <= 100 for _, value in ordered):
        raise BadInput("points of a value function lie between 0 and 100")
    if shape is Shape.LOGARITHMIC and raws[0] <= 0:
        raise BadInput("logarithmic anchors must be above 0")
    return ValueFunction(shape, ordered)


def value_of(function: ValueFunction, raw: np.ndarray | float) -> np.ndarray:
    """Values 0..100 of raw figures of any shape, clamped beyond the anchors."""
    x: np.ndarray = np.asarray(raw)
    raws = np.array([p[0] for p in function.points])
    values = np.array([p[1] for p in function.points])
    if function.shape is Shape.THRESHOLDS:
        at = np.clip(np.searchsorted(raws, x, side="right") - 1, 0, len(raws) - 1)
        stepped: np.ndarray = values[at]
        return stepped
    if function.shape is Shape.LOGARITHMIC:
        x, raws = np.log(np.maximum(x, raws[0])), np.log(raws)
    if len(raws) == 2:
        # Plain numbers, so that draws in single precision stay so.
        (low, high), (at_low, at_high) = raws.tolist(), values.tolist()
        straight: np.ndarray = (x - low) * ((at_high - at_low) / (high - low)) + at_low
        ends = sorted((at_low, at_high))
        return np.clip(straight, *ends, out=straight) if straight.ndim else np.clip(straight, *ends)
    between: np.ndarray = np.interp(x, raws, values)
    return between


def raw_reaching(function: ValueFunction, value: float, near: float, *, up: bool) -> float | None:
    """The raw figure nearest to `near` whose value is at least (`up`) or at most `value`; None where none is.

    Where the function is clamped the anchor is given, as the last raw figure that still moves it.
    """
    if not 0 <= value <= 100:
        return None
    reached = [raw for raw, v in function.points if (v >= value if up else v <= value)]
    if function.shape is not Shape.THRESHOLDS:
        for (r0, v0), (r1, v1) in zip(function.points, function.points[1:], strict=False):
            if min(v0, v1) < value < max(v0, v1):
                along = (value - v0) / (v1 - v0)
                log = function.shape is Shape.LOGARITHMIC
                reached.append(r0 * (r1 / r0) ** along if log else r0 + along * (r1 - r0))
    return min(reached, key=lambda raw: abs(raw - near), default=None)


def min_max_over_field(raw: Sequence[float], lower_is_better: bool) -> ValueFunction:
    """Anchors at the field's own extremes. A new machine changes every old score: offered, with that warning."""
    low, high = min(raw), max(raw)
    return linear(high, low) if lower_is_better else linear(low, high)
