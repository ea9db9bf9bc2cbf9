"""Spreads pooled and means over copies and lines: what must hold for any bench."""

import math

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from crevlo.core.estimate import NotDetermined
from crevlo.core.statistics import effective_dof, line, mean_over_lines, pool_scatter, sample_mean, widest

values = st.floats(-100, 100).map(lambda x: round(x, 4))
copies = st.lists(values, min_size=2, max_size=6)


@given(copies, copies, st.floats(-50, 50), st.floats(0.1, 10))
def test_a_mean_moves_with_its_values_and_scales_with_their_unit(a, b, shift, factor) -> None:
    plain = mean_over_lines([line("L", {"A": a, "B": b})], "A", 0.0, "a print")
    moved = mean_over_lines([line("L", {"A": [factor * x + shift for x in a], "B": [factor * x for x in b]})], "A", 0.0, "a print")  # fmt: skip
    assert moved.value == pytest.approx(factor * plain.value + shift, abs=1e-6)
    assert moved.u == pytest.approx(factor * plain.u, abs=1e-6)


@given(copies, st.permutations(range(3)))
def test_the_order_of_lines_and_copies_is_no_matter(a, order) -> None:
    lines = [line(str(k), {"A": [x + k for x in a], "B": [x * k for x in a]}) for k in range(3)]
    first = mean_over_lines(lines, "A", 0.1, "a print")
    turned = [line(str(k), {"B": lines[k].values["B"][::-1], "A": lines[k].values["A"][::-1]}) for k in order]
    again = mean_over_lines(turned, "A", 0.1, "a print")
    assert (again.value, again.u) == (pytest.approx(first.value, abs=1e-9), pytest.approx(first.u, abs=1e-9))


@given(copies)
def test_more_copies_of_the_same_say_it_more_surely(a) -> None:
    assume(len(set(a)) > 1)
    once = mean_over_lines([line("L", {"A": a})], "A", 0.0, "a print")
    twice = mean_over_lines([line("L", {"A": a * 2})], "A", 0.0, "a print")
    assert twice.value == pytest.approx(once.value, abs=1e-9)
    assert twice.expanded < once.expanded


@given(copies, st.floats(0.001, 5))
def test_what_all_copies_share_does_not_shrink_with_their_number(a, shared) -> None:
    made = mean_over_lines([line("L", {"A": a * 4})], "A", shared, "a print")
    assert made.u >= shared
    alone = mean_over_lines([line("L", {"A": a * 4})], "A", 0.0, "a print")
    assert made.u == pytest.approx(math.hypot(alone.u, shared))
    assert made.dof >= alone.dof


def test_a_line_with_single_copies_borrows_the_widest_spread_of_the_others() -> None:
    wide, narrow = line("wide", {"A": [1.0, 3.0]}), line("narrow", {"A": [1.0, 1.1]})
    single = line("single", {"A": [2.0]})
    assert single.spread is None
    assert widest([narrow, single, wide]) is wide
    borrowed = mean_over_lines([single, wide], "A", 0.0, "a print")
    # Spread 1.414 of either line: one copy of the one, two of the other.
    assert borrowed.u == pytest.approx(math.sqrt(2 / 1 + 2 / 2) / 2)


def test_what_is_missing_is_named_and_nothing_is_made_up() -> None:
    with pytest.raises(NotDetermined, match=r"^not determined: needs a print$"):
        mean_over_lines([], "A", 0.0, "a print")
    both = [line("block", {"A": [1.0, 2.0], "B": [1.0, 2.0]}), line("frame", {"B": [1.0]})]
    with pytest.raises(NotDetermined, match="a print of the frame"):
        mean_over_lines(both, "A", 0.0, "a print")
    with pytest.raises(NotDetermined, match="a second copy on some machine"):
        mean_over_lines([line("block", {"A": [1.0], "B": [2.0]})], "A", 0.0, "a print")
    with pytest.raises(NotDetermined, match="two or more readings"):
        sample_mean([4.2], "readings")


@given(st.lists(copies, min_size=1, max_size=5), st.floats(-1000, 1000))
def test_a_pooled_spread_knows_nothing_of_the_means(groups, shift) -> None:
    spread, dof = pool_scatter(groups)
    moved, _ = pool_scatter([[x + shift * k for x in group] for k, group in enumerate(groups)])
    assert dof == sum(len(g) - 1 for g in groups)
    assert moved == pytest.approx(spread, abs=1e-6)


@given(st.floats(0.001, 10), st.floats(1, 50), st.floats(0, 10))
def test_degrees_of_freedom_grow_with_what_is_known_beside_the_scatter(scatter, dof, known) -> None:
    assert effective_dof(scatter, scatter, dof) == pytest.approx(dof)
    assert effective_dof(scatter + known, scatter, dof) >= dof * (1 - 1e-12)
    assert effective_dof(known, 0.0, dof) == math.inf
