"""Raw figures that go into a criterion: an estimate, a success count, or missing with what it needs."""

import math
from dataclasses import dataclass

import numpy as np

from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.success import draw_success, success_chance


@dataclass(frozen=True, slots=True)
class Counted:
    """Good of tried; its figure is the chance of success."""

    good: int
    tries: int


Figure = Estimate | Counted | NotDetermined


def central(figure: Figure) -> float | None:
    """The figure's best value, None where it is missing."""
    if isinstance(figure, NotDetermined):
        return None
    if isinstance(figure, Counted):
        return success_chance(figure.good, figure.tries).mean
    return figure.value


def as_estimate(figure: Estimate | Counted, scale: float = 1.0) -> Estimate:
    """The figure as an estimate; a count by the mean and spread of its chance of success, times `scale`."""
    if isinstance(figure, Estimate):
        return figure
    a, b = figure.good + 0.5, figure.tries - figure.good + 0.5
    return Estimate(scale * a / (a + b), scale * math.sqrt(a * b / ((a + b) ** 2 * (a + b + 1))))


def draw(figure: Estimate | Counted, draws: int, rng: np.random.Generator) -> np.ndarray:
    """`draws` plausible raw values, shape (draws,)."""
    if isinstance(figure, Counted):
        return draw_success(figure.good, figure.tries, draws, rng)
    if figure.u == 0:
        return np.full(draws, figure.value)
    drawn = rng.standard_normal(draws, dtype=np.float32)
    if np.isfinite(figure.dof):
        # Student's t as normal over root of a scaled chi-square: single precision is twice as fast as standard_t.
        half = max(figure.dof, 1.0) / 2
        spread = rng.standard_gamma(half, draws, dtype=np.float32)
        spread /= np.float32(half)
        drawn /= np.sqrt(spread, out=spread)
    drawn *= np.float32(figure.u)
    drawn += np.float32(figure.value)
    return drawn
