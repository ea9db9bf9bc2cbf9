"""Orders of the same machines by several schools, side by side."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crevlo.core.estimate import NotDetermined
from crevlo.core.ranking.orders import Apart, School, agreement, leaders, ranks, say_apart, say_orders
from crevlo.core.ranking.schools import frontier

SCORES = st.dictionaries(st.sampled_from("abcdef"), st.one_of(st.none(), st.integers(-9, 9).map(float)), min_size=1)


def test_ranks_share_a_place_and_leave_out_what_has_no_score() -> None:
    scores = {"a": 5.0, "b": 7.0, "c": 7.0, "d": None, "e": 1.0}
    assert ranks(scores) == {"a": 3, "b": 1, "c": 1, "d": None, "e": 4}
    assert leaders(scores) == ["b", "c"]
    assert leaders({"a": None}) == []


@given(SCORES)
def test_a_better_score_never_has_a_worse_rank(scores: dict[str, float | None]) -> None:
    found = ranks(scores)
    for a, x in scores.items():
        for b, y in scores.items():
            if x is not None and y is not None:
                assert (x > y) == ((found[a] or 0) < (found[b] or 0))


def test_schools_agree_as_far_as_they_order_the_same_machines() -> None:
    points = School("Points", {"a": 3.0, "b": 2.0, "c": 1.0, "d": None})
    assert agreement(points, School("Same", {"a": 30.0, "b": 20.0, "c": 5.0, "d": 99.0})) == pytest.approx(1)
    assert agreement(points, School("Turned", {"a": 1.0, "b": 2.0, "c": 3.0})) == pytest.approx(-1)
    assert isinstance(agreement(points, School("One", {"a": 1.0})), NotDetermined)
    assert isinstance(agreement(points, School("Alike", {"a": 1.0, "b": 1.0, "c": 1.0})), NotDetermined)


def test_what_is_said_of_them_names_who_leads_by_what() -> None:
    a, b = {"A": 2.0, "B": 1.0}, {"A": 1.0, "B": 2.0}
    assert say_orders([School("Points", a), School("Category wins", a)]) == [
        "Every way to count that can be worked out puts A first."
    ]
    assert say_orders([School("Points", a), School("Category wins", b), School("Rank sum", a), School("Duels", {"A": None, "B": 1.0})]) == [
        "Points and rank sum put A first.", "Category wins puts B first.", "Not to be worked out yet: duels."]  # fmt: skip
    assert say_orders([School("Points", {"A": 1.0, "B": 1.0}), School("Wins", b)]) == [
        "Points puts A and B first together.", "Wins puts B first."]  # fmt: skip
    assert say_orders([School("Points", {"A": None, "B": None})]) == ["Not to be worked out yet: points."]
    assert (
        say_orders([School("Points", {"Bow and Arrow": 2.0, "B": 1.0}), School("Wins", b)])[0]
        == "Points puts Bow and Arrow first."
    )


def test_where_schools_disagree_is_said_criterion_by_criterion() -> None:
    apart = Apart(
        "Mesa",
        "Twin",
        [("Noise at 1 m", 8.0, 60.0), ("Energy", 4.0, 10.0), ("Print time", 10.0, -20.0), ("Surface", 16.0, -1.0)],
    )
    assert say_apart("Category wins", apart) == (
        "Points prefer Mesa because of noise at 1 m, which counts 8; category wins prefer Twin, ahead in 2 of 4."
    )
    assert say_apart("Rubric mean", Apart("Mesa", "Twin", [])) == "Points prefer Mesa; rubric mean prefers Twin."
    level = Apart("Mesa", "Twin", [("Noise", 8.0, 0.0)])
    assert say_apart("Rank sum", level) == "Points prefer Mesa; rank sum prefers Twin."


@given(
    st.dictionaries(
        st.sampled_from("abcdefgh"), st.tuples(st.integers(1, 6), st.integers(0, 6)).map(lambda x: (float(x[0]), float(x[1]))),
        min_size=1,
    )
)  # fmt: skip
def test_whatever_the_budget_the_best_that_it_buys_is_on_the_frontier(
    machines: dict[str, tuple[float, float]],
) -> None:
    found = frontier(machines)
    for budget in range(1, 8):
        bought = {m: x for m, x in machines.items() if x[0] <= budget}
        if not bought:
            continue
        most = max(score for _, score in bought.values())
        cheapest = min(price for price, score in bought.values() if score == most)
        best = {m for m, x in bought.items() if x == (cheapest, most)}
        assert best <= set(found)
    # And nothing else is: each is the best that its own price buys, for no less.
    for m in found:
        price, score = machines[m]
        assert all(s < score or (s == score and p >= price) for p, s in machines.values() if p <= price)
