"""Two machines alone: who is ahead in what, judged together, as far as the readings tell them apart."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.evaluations.evaluation import Better
from crevlo.core.figure import Counted, Figure
from crevlo.core.pairwise import Ahead, Compared, Pair, compare, say_compared


def pair(first: Figure, second: Figure, better: Better = Better.LOWER, code: str = "x") -> Pair:
    return Pair(code, better, first, second)


def one(first: Figure, second: Figure, better: Better = Better.LOWER) -> Compared:
    return compare([pair(first, second, better)])[0]


def test_who_is_ahead_goes_by_which_way_is_better() -> None:
    low, high = Estimate(1.0, 0.1), Estimate(2.0, 0.1)
    assert one(low, high).ahead is Ahead.FIRST
    assert one(low, high, Better.HIGHER).ahead is Ahead.SECOND
    assert one(Estimate(-3.0, 0.1), high, Better.ZERO).ahead is Ahead.SECOND
    told = one(low, high, Better.NONE)
    assert (told.differs, told.ahead) == (True, Ahead.NEITHER)
    assert (told.difference, told.low, told.high) == pytest.approx((-1, -1 - 0.2772, -1 + 0.2772), abs=1e-3)
    assert one(low, Estimate(1.1, 0.1)).ahead is Ahead.NEITHER
    missing = one(low, NotDetermined("a print"))
    assert (missing.ahead, missing.difference, missing.differs) == (Ahead.OPEN, None, False)


def test_what_both_were_measured_with_cancels() -> None:
    def read(value: float, own: float) -> Estimate:
        return Estimate(value, float(np.hypot(own, 0.05)), shared={"caliper": 0.05})

    assert one(read(0.10, 0.005), read(0.13, 0.005)).differs
    assert not one(Estimate(0.10, 0.0502), Estimate(0.13, 0.0502)).differs


def test_few_degrees_of_freedom_tell_less_apart() -> None:
    assert one(Estimate(1.0, 0.1), Estimate(1.35, 0.1)).differs
    assert not one(Estimate(1.0, 0.1, 2), Estimate(1.35, 0.1, 2)).differs


def test_counts_are_told_apart_by_their_intervals() -> None:
    assert one(Counted(20, 20), Counted(5, 20), Better.HIGHER).ahead is Ahead.FIRST
    assert one(Counted(3, 3), Counted(2, 3), Better.HIGHER).ahead is Ahead.NEITHER


def test_of_many_alike_machines_hardly_any_figure_is_called_different() -> None:
    """Forty figures of two equal machines: judged together, one is called different in about a twentieth of the studies."""
    rng = np.random.default_rng(4)
    called = 0
    for _ in range(400):
        drawn = rng.normal(0, 1, (40, 2))
        called += any(
            c.differs for c in compare([pair(Estimate(float(a), 1.0), Estimate(float(b), 1.0)) for a, b in drawn])
        )
    assert 0.02 <= called / 400 <= 0.09


@given(st.floats(-5, 5), st.floats(-5, 5), st.floats(0.01, 2), st.sampled_from(list(Better)))
def test_turned_round_everything_is_turned_round(a: float, b: float, u: float, better: Better) -> None:
    here, there = one(Estimate(a, u), Estimate(b, u), better), one(Estimate(b, u), Estimate(a, u), better)
    turned = {Ahead.FIRST: Ahead.SECOND, Ahead.SECOND: Ahead.FIRST}
    assert there.ahead is turned.get(here.ahead, here.ahead) or abs(abs(a) - abs(b)) < 1e-9
    assert (here.difference, here.low, here.high) == pytest.approx((-there.difference, -there.high, -there.low))


def test_what_has_no_known_uncertainty_is_shown_and_not_judged() -> None:
    grade = Pair("grade", Better.LOWER, Estimate(12, 0), Estimate(13, 0), judged=False)
    told = compare([grade, pair(Estimate(300, 0), Estimate(500, 0))])
    assert [(c.difference, c.differs, c.ahead) for c in told] == [
        (-1, False, Ahead.NEITHER),
        (-200, True, Ahead.FIRST),
    ]


def test_a_difference_that_nobody_could_see_is_none() -> None:
    seen = Pair("x", Better.LOWER, Estimate(1e-12, 1e-20), Estimate(0.0, 1e-20), least=0.005)
    assert not compare([seen])[0].differs


def test_what_is_said_counts_what_is_known() -> None:
    made = compare([
        pair(Estimate(1, 0.1), Estimate(2, 0.1)), pair(Estimate(1, 1), Estimate(1, 1)), pair(NotDetermined("x"), Estimate(1, 1)),
        pair(Estimate(1, 0.1), Estimate(9, 0.1), Better.NONE)])  # fmt: skip
    assert say_compared("Mesa", "Brindle", made) == (
        "Of 3 figures known of both: Mesa is ahead in 1, 1 does not tell them apart, 1 differs without either being better.")  # fmt: skip
    assert say_compared("Mesa", "Brindle", made[2:3]) == "Nothing is known of both Mesa and Brindle yet."
    assert (
        say_compared("Mesa", "Brindle", made[1:2]) == "Of the one figure known of both: 1 does not tell them apart."
    )
    assert compare([]) == []
