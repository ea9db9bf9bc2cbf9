"""The verdict is true in every state, and names a winner only where the draws are sure enough."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crevlo.core.ranking.leaders import share_first
from crevlo.core.ranking.verdict import Ranked, say_verdict


def machine(name: str, total: float = 60, chance: float = 0.5, *, known: int = 8, spread: float = 2.0) -> Ranked:
    missing = 100 * (8 - known) / 8
    return Ranked(name, total, total - missing / 2, total + missing / 2, spread, chance, known, 8)


@given(st.lists(st.floats(0.001, 1), min_size=1, max_size=9))
def test_those_who_share_first_are_the_fewest_that_are_sure_enough(weights: list[float]) -> None:
    chances = [w / sum(weights) for w in weights]
    chosen = share_first(chances)
    together = sum(chances[i] for i in chosen)
    assert together >= 0.8 - 1e-9
    outside = [c for i, c in enumerate(chances) if i not in chosen]
    assert all(c <= min(chances[i] for i in chosen) for c in outside)
    if len(chosen) > 1:
        assert max(chances) < 0.8 + 1e-9
        last = min(chances[i] for i in chosen)
        # Without all those that are like the last, it would not be sure enough.
        assert sum(chances[i] for i in chosen if chances[i] > last + 0.01) < 0.8


def test_equal_machines_are_never_parted() -> None:
    assert len(share_first([1 / 7] * 7)) == 7
    assert share_first([0.5, 0.5]) == (0, 1)
    assert share_first([0.85, 0.15]) == (0,)
    # Only those that cannot be told from the last of the set come along, not whoever is near one of those in turn.
    stairs = [0.4, 0.22, 0.19, 0.07, 0.062, 0.054, 0.004]
    assert share_first(stairs) == (0, 1, 2)
    assert share_first([0.5, 0.305, 0.195 - 0.17, 0.17]) == (0, 1)


def test_a_tie_names_everybody_in_it_and_nobody_alone() -> None:
    tie = say_verdict([machine("Mesa", 74.2, 0.54), machine("Sparrow", 72.9, 0.38), machine("Forge", 50, 0.08)], 0)
    assert (tie.headline, tie.tie, tie.contenders) == ("A tie: Mesa and Sparrow", True, (0, 1))
    assert "Mesa comes first in 54 % of the draws, Sparrow in 38 %." in tie.evidence
    level = say_verdict([machine(n, 61.0, 0.25) for n in "ABCD"], 0)
    assert level.headline == "A tie: 4 machines"
    assert level.evidence.startswith("All 4 have 61.0 points.")


def test_a_winner_leads_by_what_is_said() -> None:
    clear = say_verdict([machine("Mesa", 74.2, 0.97), machine("Sparrow", 60.0, 0.03)], 0)
    assert (clear.headline, clear.first) == ("Mesa", (0,))
    assert clear.evidence.startswith("It leads Sparrow by 14.2 points and comes first in 97 % of the draws")
    # Ahead in the draws alone, the points are level: no lead of 0.0 points is claimed.
    level = say_verdict([machine("Mesa", 60.02, 0.9), machine("Sparrow", 60.0, 0.1)], 0)
    assert "0.0 points" not in level.evidence


@pytest.mark.parametrize(
    ("left_out", "headline"), [(0, "No machine to rank"), (3, "No machine passes every must-have")]
)
def test_nobody_left_is_said_as_it_came_about(left_out: int, headline: str) -> None:
    said = say_verdict([], left_out)
    assert (said.headline, said.contenders) == (headline, ())


def test_nothing_measured_names_nobody() -> None:
    for count in (1, 2, 7):
        said = say_verdict([machine(f"M{i}", 50, 1 / count, known=0) for i in range(count)], 0)
        assert (said.headline, said.first, said.tie) == ("Not determined", (), False)
        assert "points" not in said.evidence


def test_one_machine_alone_is_no_winner() -> None:
    assert say_verdict([machine("Mesa", 70, 1.0)], 0).evidence.startswith(
        "It is the only machine to rank in this study"
    )
    left = say_verdict([machine("Mesa", 70, 1.0)], 2)
    assert left.headline == "Mesa, without comparison"
    assert "(2 left out)" in left.evidence
    half = say_verdict([machine("Mesa", 70, 1.0, known=7)], 0)
    assert "1 figure still missing" in half.evidence


def test_missing_figures_leave_it_open_or_passing() -> None:
    unmeasured = machine("Sparrow", 50, 0.3, known=0)
    undecided = say_verdict([machine("Mesa", 78.2, 0.7), unmeasured], 0)
    assert undecided.headline == "Not decided yet: Mesa or Sparrow"
    assert "Sparrow may end anywhere from 0.0 to 100.0 points" in undecided.evidence
    assert undecided.first == ()
    ahead = say_verdict([machine("Mesa", 78.2, 0.9), machine("Sparrow", 60, 0.1, known=4)], 0)
    assert ahead.headline == "Mesa, as far as measured"
    beaten = say_verdict([machine("Mesa", 78.2, 0.99), machine("Sparrow", 30, 0.01, known=7)], 0)
    assert beaten.headline == "Mesa"
    assert "1 figure still missing" in beaten.evidence
