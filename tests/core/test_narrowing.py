"""What more readings are said to bring is what they bring; nothing is asked for where only the calibration is left."""

import math
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crevlo.core.estimate import Estimate
from crevlo.core.evidence import Instrument, Reading, Specimen
from crevlo.core.features.feature import Feature, Kind
from crevlo.core.narrowing import narrowing
from crevlo.core.readings import feature_estimates

CALIPER = Instrument("C-1", "caliper", 0.01, 0.004, 0.02)
X1 = Feature("X1", Kind.LENGTH, "X", 1, 40.0, "jaws", None)


def specimen(values: list[float], who: list[str] | None = None) -> Specimen:
    return Specimen(
        {"X1": X1}, tuple(Reading("X1", v, k) for v, k in zip(values, who or ["a"] * len(values), strict=True))
    )


def expanded(of: Specimen, instruments: dict) -> float:
    found = feature_estimates(of, instruments)["X1"]
    assert isinstance(found, Estimate)
    return found.expanded


@given(st.integers(1, 4), st.floats(0.004, 0.05), st.floats(0.0, 0.01))
def test_the_u_that_is_foretold_comes_where_the_readings_scatter_as_before(
    n: int, s: float, calibration: float
) -> None:
    tool = replace(CALIPER, repeatability=s, u_calibration=calibration)
    # Pairs about 40 with the variance that is known already, so that it stays.
    pair = [40 - s / math.sqrt(2), 40 + s / math.sqrt(2)]
    values = [40.0] if n == 1 else (pair * n)[: 2 * (n // 2)]
    found = narrowing(specimen(values), {"a": tool})
    if found is None:
        return
    assert found.then <= 0.75 * found.now
    assert found.now == pytest.approx(expanded(specimen(values), {"a": tool}))
    if len(values) > 1 and found.more % 2 == 0:
        after = expanded(specimen(values + pair * (found.more // 2)), {"a": tool})
        assert after == pytest.approx(found.then, rel=0.1)


def test_another_person_is_asked_where_hands_are_most_of_it() -> None:
    hand = replace(CALIPER, repeatability=0.004, repeatability_dof=40, u_calibration=0.002, hands="One", u_hands=0.02)
    other = replace(hand, hands="Two")
    found = narrowing(specimen([40.0, 40.004, 39.996]), {"a": hand})
    assert found is not None
    assert (found.other, found.more) == (True, 2)
    assert "2 more readings of X1 by another person" in found.words
    both = specimen([40.0, 40.004, 39.996, 40.0, 40.004], ["a", "a", "a", "b", "b"])
    assert expanded(both, {"a": hand, "b": other}) == pytest.approx(found.then, rel=0.05)


def test_nothing_is_asked_where_the_calibration_is_all_that_is_left() -> None:
    assert narrowing(specimen([40.0] * 6), {"a": replace(CALIPER, u_calibration=0.05, repeatability=0.005)}) is None
    assert narrowing(specimen([]), {"a": CALIPER}) is None
