"""Points by the line, a buyer's prints and budget, and the map of weights."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from crevlo.core.estimate import BadInput, NotDetermined
from crevlo.core.points_sheet import SheetLine, say_sheet, sheet_totals
from crevlo.core.ranking.buyer import (
    Offer,
    reliability_factor,
    say_budget,
    say_prints,
    weights_as_set,
    weights_of_buyer,
)
from crevlo.core.ranking.weight_map import weight_map

MACHINES = ("Mesa", "Sparrow", "Twin")
LINES = st.lists(
    st.builds(
        SheetLine, st.just("a line"), st.floats(0, 50),
        st.lists(st.sampled_from(MACHINES), unique=True, max_size=3).map(tuple),
    ),
    max_size=12,
)  # fmt: skip


@given(LINES)
def test_no_point_is_lost_or_given_twice(lines: list[SheetLine]) -> None:
    totals = sheet_totals(lines, MACHINES)
    assert sum(totals.values()) == pytest.approx(sum(x.points for x in lines if x.winners), abs=1e-9)
    assert say_sheet(lines, totals)


def test_what_the_sheet_says_is_true_in_every_state() -> None:
    def says(*lines: SheetLine, machines: tuple[str, ...] = MACHINES[:2]) -> str:
        return say_sheet(lines, sheet_totals(lines, machines))

    first, open_ = SheetLine("noise", 10, ("Mesa",)), SheetLine("price", 4)
    assert says() == "The sheet has no lines yet."
    assert says(open_) == "No line is decided yet: 4 points are open."
    assert says(first).startswith("Mesa leads Sparrow by 10 points. ")
    assert says(first, open_).startswith("Mesa leads Sparrow by 10 points; 4 points are open, which cannot turn it.")
    assert "which could still turn it" in says(SheetLine("noise", 3, ("Mesa",)), open_)
    assert says(SheetLine("noise", 10, ("Mesa", "Sparrow"))) == "Mesa and Sparrow are level at 5 points."
    assert says(first, machines=("Mesa",)) == "Mesa is alone on the sheet, with 10 points."
    with pytest.raises(BadInput, match="twice"):
        sheet_totals([SheetLine("x", 1, ("Mesa", "Mesa"))], MACHINES)
    with pytest.raises(BadInput, match="none of the machines"):
        sheet_totals([SheetLine("x", 1, ("Forge",))], MACHINES)


@given(st.floats(0.1, 1e4), st.floats(0, 40), st.floats(0, 40))
def test_what_is_set_and_what_counts_are_one_the_other_way_round(prints: float, success: float, noise: float) -> None:
    weights = {"success": success, "noise": noise}
    counts = weights_of_buyer(weights, prints)
    assert weights_as_set(counts, prints) == pytest.approx(weights)
    assert counts["noise"] == noise
    assert 0.5 <= reliability_factor(prints) <= 2


def test_prints_a_month_weigh_reliability() -> None:
    assert [reliability_factor(n) for n in (None, 20, 45, 1, 900)] == pytest.approx([1, 1, 1.5, 0.5, 2])
    assert say_prints(None) == ""
    assert "weighs as it is set" in say_prints(20)
    assert "weighs 1.50 times what is set" in say_prints(45)


def test_a_budget_says_what_it_buys_and_what_a_step_would() -> None:
    offers = [
        Offer("Cheap", 200, 40.0),
        Offer("Middle", 350, 60.0),
        Offer("Dear", 420, 72.0),
        Offer("Poor", 410, 55.0),
    ]
    assert say_budget(offers, 0, None, 50, "EUR") == []
    assert say_budget(offers, 0, 380, None, "EUR") == ["Up to 380 EUR: Middle, 60.0 points for 350."]
    assert say_budget(offers, 1, 380, 50, "EUR") == [
        "Up to 380 EUR: Middle, 60.0 points for 350.", "For 40 EUR above it: Dear, 12.0 points more.",
        "1 machine without a price is not looked at."]  # fmt: skip
    assert say_budget(offers, 0, 380, 20, "EUR")[1] == "Another 20 EUR buys nothing better."
    assert say_budget(offers, 0, 100, None, "EUR") == [
        "Nothing that passes costs 100 EUR or less; the cheapest is Cheap at 200."
    ]
    assert say_budget([], 2, 100, None, "EUR") == [
        "Nothing that passes costs 100 EUR or less.", "2 machines without a price are not looked at."]  # fmt: skip
    # Brute force: whoever is best at a price, no other within it has more.
    for budget in range(150, 500, 10):
        within = [o for o in offers if o.price <= budget]
        if within:
            assert max(within, key=lambda o: o.points).name in say_budget(offers, 0, budget, None, "EUR")[0]


def test_the_map_of_weights_has_the_right_winner_at_every_place() -> None:
    rng = np.random.default_rng(3)
    values = rng.uniform(0, 100, (5, 4, 1)).repeat(50, axis=2).astype(np.float32)
    weights, groups = [3.0, 1.0, 2.0, 2.0, 4.0], [0, 0, 1, 2, 2]
    places = weight_map(weights, values, groups, steps=6)
    assert len(places) == 28
    for p in places:
        assert sum(p.shares) == pytest.approx(1)
        share = [p.shares[g] * w / sum(x for x, h in zip(weights, groups, strict=True) if h == g)
                 for w, g in zip(weights, groups, strict=True)]  # fmt: skip
        assert p.first == int(np.argmax(np.tensordot(share, values[:, :, 0], axes=1)))
        assert (p.chance, p.tie) == (1.0, False)
    level = np.full((3, 2, 40), 50, np.float32)
    assert all(p.tie and p.chance == pytest.approx(0.5) for p in weight_map([1, 1, 1], level, [0, 1, 2], steps=2))
    with pytest.raises(NotDetermined, match="three groups"):
        weight_map([1, 1, 1], level, [0, 0, 1])
