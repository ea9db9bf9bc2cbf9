"""One row of results: the best, what nobody can tell from it, and what is behind."""

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.evaluations.evaluation import Better
from crevlo.core.figure import Counted, Figure
from crevlo.core.in_row import Place, places
from crevlo.core.pairwise import Ahead, Pair, compare

FIGURES = st.lists(
    st.one_of(
        st.builds(Estimate, st.floats(-100, 100), st.floats(0.01, 20)),
        st.just(NotDetermined("a print")),
        st.integers(1, 9).flatmap(lambda n: st.builds(Counted, st.integers(0, n), st.just(n))),
    ),
    max_size=6,
)


def test_the_best_is_marked_only_where_another_is_behind() -> None:
    row = [Estimate(1.0, 0.1), Estimate(1.1, 0.1), Estimate(3.0, 0.1), NotDetermined("a print")]
    assert places(row, Better.LOWER) == [Place.BETTER, Place.LEVEL, Place.BEHIND, Place.NONE]
    assert places(row, Better.HIGHER) == [Place.BEHIND, Place.BEHIND, Place.BETTER, Place.NONE]
    assert places(row[:2], Better.LOWER) == [Place.LEVEL, Place.LEVEL]
    assert places(row[:1], Better.LOWER) == [Place.NONE]
    assert places(row, Better.NONE) == places(row, Better.LOWER, judged=False) == [Place.NONE] * 4


def test_on_either_side_of_nought_as_near_is_as_good() -> None:
    near, far = Estimate(-0.05, 0.01), Estimate(0.30, 0.01)
    assert places([near, Estimate(0.05, 0.01), far], Better.ZERO) == [
        Place.LEVEL,
        Place.LEVEL,
        Place.BEHIND,
    ] or places([near, Estimate(0.05, 0.01), far], Better.ZERO) == [Place.BETTER, Place.LEVEL, Place.BEHIND]
    made = compare([Pair("x", Better.ZERO, near, Estimate(0.06, 0.01))])[0]
    # They differ beyond chance, and yet neither is nearer.
    assert (made.differs, made.ahead) == (True, Ahead.NEITHER)
    # What both share turns with the sign: it does not cancel where they lie on either side.
    a = Estimate(-0.02, 0.0502, shared={"caliper": 0.05})
    b = Estimate(0.05, 0.0502, shared={"caliper": 0.05})
    assert places([a, b], Better.ZERO) == [Place.LEVEL, Place.LEVEL]
    same_side = Estimate(0.02, 0.0502, shared={"caliper": 0.05})
    assert places([same_side, Estimate(0.06, 0.0502, shared={"caliper": 0.05})], Better.ZERO)[0] is Place.BETTER


def test_exact_figures_differ_by_what_can_be_seen() -> None:
    row = [Estimate(14.62, 0.0), Estimate(14.64, 0.0), Estimate(14.9, 0.0)]
    assert places(row, Better.LOWER, least=0.05) == [Place.BETTER, Place.LEVEL, Place.BEHIND]


def test_of_equal_machines_one_is_seldom_called_better() -> None:
    rng = np.random.default_rng(11)
    called = sum(
        Place.BETTER in places([Estimate(float(x), 1.0) for x in rng.normal(0, 1, 2)], Better.LOWER)
        for _ in range(600)
    )
    assert 0.02 < called / 600 < 0.08


@given(FIGURES, st.sampled_from([Better.LOWER, Better.HIGHER, Better.ZERO]))
def test_a_row_is_consistent_whatever_it_holds(row: list[Figure], better: Better) -> None:
    found = places(row, better)
    known = [p for p, f in zip(found, row, strict=True) if not isinstance(f, NotDetermined)]
    assert (
        all((p is Place.NONE) == isinstance(f, NotDetermined) for p, f in zip(found, row, strict=True))
        or len(known) < 2
    )
    assert found.count(Place.BETTER) <= 1
    assert (Place.BETTER in found) == (Place.BEHIND in found)
    # Turned round, the row says the same of each.
    if len(set(map(repr, row))) == len(row):
        assert places(row[::-1], better)[::-1].count(Place.BETTER) == found.count(Place.BETTER)
