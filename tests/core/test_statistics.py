"""Spreads pooled and means over copies and lines: what must hold for any bench."""

import math

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st
from scipy import stats

from crevlo.core.estimate import Estimate, NotDetermined, difference, effective_dof, made_of, mean_shared, scaled
from crevlo.core.statistics import is_borrowed, line, mean_over_lines, pool_scatter, sample_mean, widest

values = st.floats(-100, 100).map(lambda x: round(x, 4))
copies = st.lists(values, min_size=2, max_size=6)


@given(copies, copies, st.floats(-50, 50), st.floats(0.1, 10))
def test_a_mean_moves_with_its_values_and_scales_with_their_unit(a, b, shift, factor) -> None:
    plain = mean_over_lines([line("L", {"A": a, "B": b})], "A", "a print")
    moved = mean_over_lines([line("L", {"A": [factor * x + shift for x in a], "B": [factor * x for x in b]})], "A", "a print")  # fmt: skip
    assert moved.value == pytest.approx(factor * plain.value + shift, abs=1e-6)
    assert moved.u == pytest.approx(factor * plain.u, abs=1e-6)


@given(copies, st.permutations(range(3)))
def test_the_order_of_lines_and_copies_is_no_matter(a, order) -> None:
    lines = [line(str(k), {"A": [x + k for x in a], "B": [x * k for x in a]}) for k in range(3)]
    first = mean_over_lines(lines, "A", "a print", 0.1)
    turned = [line(str(k), {"B": lines[k].values["B"][::-1], "A": lines[k].values["A"][::-1]}) for k in order]
    again = mean_over_lines(turned, "A", "a print", 0.1)
    assert (again.value, again.u) == (pytest.approx(first.value, abs=1e-9), pytest.approx(first.u, abs=1e-9))


@given(copies)
def test_more_copies_of_the_same_say_it_more_surely(a) -> None:
    assume(len(set(a)) > 1)
    once = mean_over_lines([line("L", {"A": a})], "A", "a print")
    twice = mean_over_lines([line("L", {"A": a * 2})], "A", "a print")
    assert twice.value == pytest.approx(once.value, abs=1e-9)
    assert twice.expanded < once.expanded


@given(copies, st.floats(0.001, 5))
def test_what_all_copies_share_does_not_shrink_with_their_number(a, shared) -> None:
    made = mean_over_lines([line("L", {"A": a * 4}, {"A": {"caliper": -shared}})], "A", "a print")
    assert made.u >= shared
    alone = mean_over_lines([line("L", {"A": a * 4})], "A", "a print")
    assert made.u == pytest.approx(math.hypot(alone.u, shared))
    assert made.dof >= alone.dof
    assert made.shared == {"caliper": -shared}
    assert (made.own, made.own_dof) == (pytest.approx(alone.u, abs=1e-6), pytest.approx(alone.dof, rel=1e-3))


def test_a_line_with_single_copies_borrows_the_widest_spread_of_the_others() -> None:
    wide, narrow = line("wide", {"A": [1.0, 3.0]}), line("narrow", {"A": [1.0, 1.1]})
    single = line("single", {"A": [2.0]})
    assert single.spread is None
    assert widest([narrow, single, wide]) is wide
    borrowed = mean_over_lines([single, wide], "A", "a print")
    # Spread 1.414 of either line: one copy of the one, two of the other.
    assert borrowed.u == pytest.approx(math.sqrt(2 / 1 + 2 / 2) / 2)


def test_what_is_missing_is_named_and_nothing_is_made_up() -> None:
    with pytest.raises(NotDetermined, match=r"^not determined: needs a print$"):
        mean_over_lines([], "A", "a print")
    both = [line("block", {"A": [1.0, 2.0], "B": [1.0, 2.0]}), line("frame", {"B": [1.0]})]
    with pytest.raises(NotDetermined, match="a print of the frame"):
        mean_over_lines(both, "A", "a print")
    with pytest.raises(NotDetermined, match="a second copy on some machine"):
        mean_over_lines([line("block", {"A": [1.0], "B": [2.0]})], "A", "a print")
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


# errors that figures share

parts = st.dictionaries(st.sampled_from(["caliper", "scale", "tariff"]), st.floats(-1, 1), max_size=3)
amounts = st.builds(made_of, st.floats(-10, 10), st.floats(0.01, 2), st.sampled_from([3.0, 10.0, math.inf]), parts)


@given(amounts, amounts)
def test_what_two_figures_share_cancels_in_their_difference_and_the_rest_adds(a: Estimate, b: Estimate) -> None:
    apart = difference(a, b)
    assert apart.value == a.value - b.value
    assert apart.own == pytest.approx(math.hypot(a.own, b.own), rel=1e-6)
    again = difference(b, a)
    assert (again.u, again.dof) == (pytest.approx(apart.u), pytest.approx(apart.dof))
    alike = difference(a, Estimate(b.value, math.hypot(b.own, a.u_shared), b.dof, a.shared))
    assert alike.u_shared == 0
    strangers = difference(a, made_of(b.value, b.own, shared={f"other {s}": x for s, x in b.shared.items()}))
    assert strangers.u == pytest.approx(math.hypot(a.u, b.u))


@given(amounts, st.floats(-5, 5).filter(lambda f: abs(f) > 0.01))
def test_a_figure_in_another_unit_keeps_what_it_shares(a: Estimate, factor: float) -> None:
    turned = scaled(a, factor)
    assert turned.u == pytest.approx(abs(factor) * a.u)
    assert turned.own == pytest.approx(abs(factor) * a.own, abs=1e-9)
    assert turned.own_dof == pytest.approx(a.own_dof, rel=1e-6)
    assert all(turned.shared[s] == factor * x for s, x in a.shared.items())


@given(st.lists(parts, min_size=1, max_size=5))
def test_a_mean_shares_the_mean_of_what_its_values_share_with_their_signs(given_: list) -> None:
    mean = mean_shared(given_)
    for source in {s for p in given_ for s in p}:
        assert mean[source] == pytest.approx(sum(p.get(source, 0.0) for p in given_) / len(given_), abs=1e-12)


def test_the_spread_is_pooled_while_the_machines_are_alike_and_each_ones_own_when_not() -> None:
    alike = line("L", {"A": [1.0, 1.2, 0.9, 1.1], "B": [2.0, 2.2, 1.9, 2.1]})
    assert alike.spread_of("A") == alike.spread_of("B") == (alike.spread, 6)
    apart = line("L", {"A": [1.0, 1.01, 0.99, 1.0, 1.01, 0.99], "B": [2.0, 6.0, -3.0, 4.0, -1.0, 7.0], "C": [1.0]})
    assert apart.spread_of("A")[0] < 0.02 < 3 < apart.spread_of("B")[0]
    # One copy alone has no spread of its own: it is borrowed, and called so.
    assert apart.spread_of("C") == (apart.spread, apart.dof)
    assert [is_borrowed([apart], m) for m in "ABC"] == [False, False, True]


@given(st.lists(st.lists(values, min_size=3, max_size=7), min_size=2, max_size=5))
def test_spreads_are_alike_as_the_library_for_statistics_says(groups: list[list[float]]) -> None:
    assume(any(len(set(g)) > 1 for g in groups))
    with np.errstate(divide="ignore", invalid="ignore"):
        chance = stats.levene(*groups, center="median").pvalue
    assume(not abs(chance - 0.05) < 1e-6)
    made = line("L", dict(enumerate(groups)))
    own = [made.spread_of(k) == pool_scatter([g]) for k, g in enumerate(groups)]
    pooled = [made.spread_of(k) == (made.spread, made.dof) for k in range(len(groups))]
    assert all(own) if chance < 0.05 else all(pooled)


@given(st.lists(st.lists(st.floats(-50, 50), min_size=1, max_size=6), min_size=2, max_size=8))
def test_spreads_may_be_one_where_the_test_about_the_medians_does_not_tell_them_apart(
    groups: list[list[float]],
) -> None:
    many = [g for g in groups if len(g) >= 3]
    assume(len(many) >= 2)
    off = [np.abs(np.array(g) - np.median(g)) for g in many]
    # Where nothing is left within the groups the test has no answer.
    assume(sum(float(((o - o.mean()) ** 2).sum()) for o in off) > 1e-6)
    p = stats.levene(*many, center="median").pvalue
    assume(abs(p - 0.05) > 1e-6)
    assert line("a line", dict(enumerate(groups))).alike == (p >= 0.05)
