"""What to do next: what is told first is what settles first place, and following it takes fewer hours."""

import math

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.figure import Counted, Figure
from crevlo.core.ranking.next_best import Meets, NextBest, Reads, Tries, Work, next_best, say_next, u_of_more
from crevlo.core.ranking.value import linear

UP = linear(0, 100)


def made(figures: list[list[Figure]], works: list[Work], weights: list[float] | None = None) -> NextBest:
    n = len(figures[0])
    return next_best(figures, [UP] * n, [f"c{c}" for c in range(n)], weights or [1.0] * n, works, 5, field=False)


def test_what_is_read_again_is_what_first_place_hangs_on() -> None:
    wide, narrow = Estimate(60, 8), Estimate(62, 0.5)
    works = [
        Work("wide", (Reads(0, 0, 4.0),), 0.2),
        Work("narrow", (Reads(0, 1, 0.5),), 0.2),
        Work("far", (Reads(0, 2, 4.0),), 0.2),
    ]
    found = made([[wide], [narrow], [Estimate(10, 8)]], works)
    assert found.works[0].work.key == "wide"
    bits = {w.work.key: w.bits for w in found.works}
    # A machine far behind decides nothing, however loosely it is known; nor does what is known already.
    assert bits["wide"] > 0.2
    assert bits["far"] < 0.005
    assert bits["narrow"] < 0.02
    assert [w.work.key for w in found.recommended] == ["wide"]


def test_the_same_gain_in_half_the_time_comes_first() -> None:
    level = [[Estimate(60, 5)], [Estimate(60, 5)]]
    found = made(level, [Work("slow", (Reads(0, 0, 3.0),), 1.0), Work("quick", (Reads(0, 1, 3.0),), 0.5)])
    assert [w.work.key for w in found.works] == ["quick", "slow"]
    assert found.works[0].bits == pytest.approx(found.works[1].bits, abs=0.08)


def test_expected_entropy_is_that_of_brute_force() -> None:
    """Two machines, one figure each: against the integral over what a reading may show."""
    a, b, u, new = 60.0, 58.0, 5.0, 3.0
    found = made([[Estimate(a, u)], [Estimate(b, 0.001)]], [Work("a", (Reads(0, 0, new),), 1.0)]).works[0]
    then = 1 / math.sqrt(1 / u**2 + 1 / new**2)
    rng = np.random.default_rng(1)
    means = a + math.sqrt(u**2 - then**2) * rng.standard_normal(200_000)
    p = 0.5 * (1 + np.vectorize(math.erf)((means - b) / then / math.sqrt(2)))
    p = np.clip(p, 1e-12, 1 - 1e-12)
    expected = float(np.mean(-p * np.log2(p) - (1 - p) * np.log2(1 - p)))
    p0 = 0.5 * (1 + math.erf((a - b) / u / math.sqrt(2)))
    h0 = -p0 * math.log2(p0) - (1 - p0) * math.log2(1 - p0)
    many = next_best(
        [[Estimate(a, u)], [Estimate(b, 0.001)]], [UP], ["c"], [1.0], [Work("a", (Reads(0, 0, new),), 1.0)], 5,
        draws=6000, outcomes=800, field=False,
    ).works[0]  # fmt: skip
    assert many.bits == pytest.approx(h0 - expected, abs=0.03)
    assert many.settles == pytest.approx(float(np.mean(np.maximum(p, 1 - p) >= 0.8)), abs=0.08)
    assert found.bits == pytest.approx(many.bits, abs=0.15)


def test_tries_duels_and_missing_figures_tell_too() -> None:
    level = [[Counted(2, 3), Estimate(50, 1)], [Counted(2, 3), Estimate(50, 1)]]
    success = linear(0, 1)
    found = next_best(level, [success, UP], ["s", "x"], [1, 1], [Work("try", (Tries(0, 0),), 0.3)], 5, field=False)
    assert found.works[0].bits > 0.02
    duels = next_best(
        [[Estimate(0, 1)], [Estimate(0, 1)]], [linear(-3, 3)], ["duel"], [1], [Work("duel", (Meets(0, 0, 1),), 0.02)], 5, field=False
    )  # fmt: skip
    assert duels.works[0].bits > 0.05
    missing: list[list[Figure]] = [[NotDetermined("a reading")], [Estimate(50, 1)]]
    told = made(missing, [Work("read", (Reads(0, 0, None),), 0.3)])
    assert told.works[0].bits > 0.5
    assert told.works[0].settles > 0.8


def test_it_stops_when_nothing_would_change_the_pick() -> None:
    works = [Work("more", (Reads(0, 0, 1.0),), 0.2)]
    clear = made([[Estimate(90, 2)], [Estimate(10, 2)]], works)
    assert (clear.settled, clear.recommended) == (True, ())
    assert (
        say_next(clear, "Mesa", {"more": 0.2})
        == "Mesa is first in 100 % of the draws: nothing at the bench is needed for that."
    )
    level = [[Estimate(60, 5)], [Estimate(60, 5)]]
    useless = made(level, [Work("weightless", (Reads(0, 0, math.inf),), 0.2)])
    assert useless.recommended == ()
    assert (
        say_next(useless, "Mesa", {}) == "Nothing that could be done next is expected to tell more of who is first."
    )
    assert say_next(made(level, []), "Mesa", {}).startswith("There is nothing at the bench")
    assert "somebody is in 80 % or more, in " in say_next(made(level, works), "Mesa", {"more": 0.2})
    assert made([[Estimate(60, 5)]], works).recommended == ()


def test_more_data_alone_is_as_wide_as_what_it_adds() -> None:
    # One more of three: u/√3 to u/√4 is what a single one with u tells.
    assert u_of_more(6 / math.sqrt(3), 6 / math.sqrt(4)) == pytest.approx(6)
    assert u_of_more(1, 1) == math.inf
    assert u_of_more(0, 0) == math.inf


FIELD = st.lists(st.builds(Estimate, st.floats(0, 100), st.floats(0.1, 15)), min_size=2, max_size=4)


@settings(max_examples=25, deadline=None)
@given(FIELD, st.floats(0.05, 40), st.floats(0.01, 5))
def test_no_work_tells_more_than_there_is_to_tell(field: list[Estimate], u: float, hours: float) -> None:
    works = [Work(m, (Reads(0, m, u),), hours) for m in range(len(field))]
    found = made([[e] for e in field], works)
    assert len(found.works) == len(works)
    assert 0 <= found.entropy <= math.log2(len(field)) + 1e-9
    for w in found.works:
        assert 0 <= w.bits <= found.entropy + 1e-6
        assert 0 <= w.settles <= 1
    per_hour = [w.per_hour for w in found.works]
    assert per_hour == sorted(per_hour, reverse=True)
    assert set(found.recommended) <= set(found.works)
    assert say_next(found, "Mesa", dict.fromkeys(range(len(field)), hours))


@settings(max_examples=15, deadline=None)
@given(FIELD, st.floats(0.5, 10))
def test_a_finer_reading_never_tells_much_less(field: list[Estimate], u: float) -> None:
    rows: list[list[Figure]] = [[e] for e in field]
    fine, coarse = (made(rows, [Work("x", (Reads(0, 0, width),), 1.0)]).works[0].bits for width in (u, 8 * u))
    assert fine >= coarse - 0.06
