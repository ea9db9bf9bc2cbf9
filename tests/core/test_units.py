"""Units of one model are told apart only where they differ beyond their copies."""

import numpy as np
import pytest

from crevlo.core.estimate import Estimate, made_of
from crevlo.core.units import between_units


def _study(
    rng: np.random.Generator, units: int, apart: float, quantities: int = 12, dof: float = 6.0
) -> dict[str, list[Estimate]]:
    """Means of copies, whose spread is known with so many degrees of freedom; of one caliper, whose error they share."""
    found = {}
    for n in range(quantities):
        truth, bias = rng.normal(0, apart, units), rng.normal(0, 5)
        s = np.sqrt(rng.chisquare(dof) / dof)
        found[f"q{n}"] = [made_of(t + bias + rng.normal(), s, dof, {"caliper": 5.0}) for t in truth]
    return found


@pytest.mark.parametrize("units", [2, 4])
@pytest.mark.parametrize("dof", [4.0, 12.0, np.inf])
def test_alike_units_are_called_different_as_rarely_as_is_said(units: int, dof: float) -> None:
    rng = np.random.default_rng(int(units * 7 + min(dof, 99)))
    studies = [between_units(_study(rng, units, 0.0, dof=min(dof, 1e6))) for _ in range(500)]
    assert np.mean([any(b.differs for b in s) for s in studies]) <= 0.08


def test_units_that_differ_are_told_with_how_far() -> None:
    rng = np.random.default_rng(5)
    found = [b for _ in range(60) for b in between_units(_study(rng, 5, 6.0))]
    assert np.mean([b.differs for b in found]) > 0.8
    assert np.median([b.spread for b in found]) == pytest.approx(6.0, rel=0.2)


def test_a_single_unit_and_what_is_exact_say_nothing() -> None:
    assert between_units({"time": [Estimate(1.0, 0.1)], "grade": [Estimate(8, 0.0), Estimate(9, 0.0)]}) == []
