"""What would change the first place, held against trying every weight and every figure."""

import numpy as np
import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st

from crevlo.core.ranking.flips import figure_flips, weight_flips
from crevlo.core.ranking.points import flip_weight
from crevlo.core.ranking.value import Shape, linear, raw_reaching, value_function, value_of

MACHINES, CRITERIA = 4, 3
tables = st.lists(
    st.lists(st.integers(0, 100).map(float), min_size=CRITERIA, max_size=CRITERIA),
    min_size=MACHINES,
    max_size=MACHINES,
)
weights = st.lists(st.integers(1, 50).map(float), min_size=CRITERIA, max_size=CRITERIA)


def _first(weights: list[float], table: list[list[float]], criterion: int, share: float) -> int:
    shares = np.asarray(weights) / sum(weights)
    rest = np.delete(shares, criterion)
    moved = np.insert(rest / rest.sum() * (1 - share), criterion, share)
    return int(np.argmax(np.asarray(table) @ moved))


@given(weights, tables)
@settings(max_examples=60)
def test_the_nearest_flips_are_those_that_trying_every_weight_finds(w: list[float], table: list[list[float]]) -> None:
    shares = np.asarray(w) / sum(w)
    totals = np.sort(np.asarray(table) @ shares)
    assume(totals[-1] - totals[-2] > 0.05)
    leader = int(np.argmax(np.asarray(table) @ shares))
    found = weight_flips(w, table)
    assert [abs(f.share - shares[f.criterion]) for f in found] == sorted(
        abs(f.share - shares[f.criterion]) for f in found
    )
    step = 1 / 400
    for c in range(CRITERIA):
        for rises in (True, False):
            tried = np.arange(shares[c], 1.0, step) if rises else np.arange(shares[c], 0.0, -step)
            turned = [s for s in tried if _first(w, table, c, s) != leader]
            flip = next((f for f in found if f.criterion == c and f.rises is rises), None)
            if turned:
                assert flip is not None
                low, high = (turned[0] - step, turned[0]) if rises else (turned[0], turned[0] + step)
                assert low - 1e-9 <= flip.share <= high + 1e-9
            if flip is not None:
                beyond = flip.share + (1e-6 if rises else -1e-6)
                assert 0 <= beyond <= 1
                best = np.asarray(table) @ np.insert(
                    np.delete(shares, c) / (1 - shares[c]) * (1 - beyond), c, beyond
                )  # fmt: skip
                assert best[flip.becomes] == pytest.approx(best.max(), abs=1e-6)
                assert best[flip.becomes] >= best[leader]


def test_a_third_machine_may_be_nearer_than_the_second() -> None:
    # The second trails everywhere; the third is best at the first criterion.
    table = [[60.0, 80.0], [55.0, 79.0], [90.0, 20.0]]
    flips = weight_flips([50, 50], table)
    assert (flips[0].criterion, flips[0].becomes) in {(0, 2), (1, 2)}
    assert flips[0].share == pytest.approx(flip_weight([50, 50], table[0], table[2], flips[0].criterion))
    assert all(f.becomes == 2 for f in flips)


def test_a_weight_that_is_everything_or_one_machine_alone_cannot_flip() -> None:
    assert weight_flips([1, 0], [[50, 10], [40, 90]])[0].criterion == 1
    assert weight_flips([1, 1], [[50.0, 10.0]]) == []
    assert figure_flips([1, 1], [[50.0, 10.0]], [[5.0, 1.0]], [linear(0, 10)] * 2) == []


def test_a_figure_flip_is_in_the_units_of_the_bench() -> None:
    noise, time = linear(65, 40), linear(2.0, 0.5)
    raws = [[50.0, 1.0], [55.0, 0.8]]
    table = [[float(value_of(f, r)) for f, r in zip((noise, time), row, strict=True)] for row in raws]
    flips = figure_flips([50, 50], table, raws, [noise, time])
    quieter = next(f for f in flips if f.machine == 1 and f.criterion == 0)
    assert quieter.becomes == 1
    assert 50 < quieter.raw < 55
    table[1][0] = float(value_of(noise, quieter.raw))
    assert sum(table[1]) == pytest.approx(sum(table[0]))
    louder = next(f for f in flips if f.machine == 0 and f.criterion == 0)
    assert (louder.becomes, louder.raw > 50) == (1, True)


@given(st.sampled_from(list(Shape)), st.floats(0, 100), st.floats(0.5, 20), st.booleans())
def test_the_figure_that_reaches_a_value_has_it(shape: Shape, value: float, near: float, up: bool) -> None:
    ends = [(1.0, 100.0), (10.0, 0.0)]
    function = value_function(shape, ends if shape is Shape.LOGARITHMIC else [ends[0], (4.0, 30.0), ends[1]])
    raw = raw_reaching(function, value, near, up=up)
    assert raw is not None
    reached = float(value_of(function, raw))
    assert reached >= value - 1e-6 if up else reached <= value + 1e-6
