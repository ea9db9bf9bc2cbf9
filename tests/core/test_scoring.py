"""Value functions, points, rank chances, flips and gates."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from crevlo.core.artifacts.fit import Bed, longest_flat
from crevlo.core.estimate import BadInput, Estimate, NotDetermined
from crevlo.core.figure import Counted, Figure
from crevlo.core.ranking.chances import DRAWS, MOST_BYTES, draw_values, draws_for, pair_chances, rank_chances
from crevlo.core.ranking.gate import (
    Judged,
    Standing,
    judge_fits_flat,
    judge_limit,
    judge_material,
    judge_success,
)
from crevlo.core.ranking.points import flip_weight, rounded_to_total, weighted_totals
from crevlo.core.ranking.value import Shape, linear, min_max_over_field, value_function, value_of
from crevlo.core.ranking.weighed import bytes_of

A, B = (82.0, 40.0, 55.0), (70.0, 72.0, 66.0)
values = st.floats(0, 100)
weights = st.lists(st.floats(0.01, 100), min_size=3, max_size=3)


def test_weighted_points_and_the_flip() -> None:
    a, b = weighted_totals([50, 20, 30], [A, B])
    assert (a.low, b.low) == (pytest.approx(65.5), pytest.approx(69.2))
    assert (a.best_rank, b.best_rank) == (2, 1)
    assert flip_weight([50, 20, 30], A, B, 1) == pytest.approx(0.0954, abs=5e-5)


@given(weights, st.tuples(values, values, values), st.tuples(values, values, values), st.integers(0, 2))
def test_at_the_flip_weight_both_draw_level(
    w: list[float], a: tuple[float, ...], b: tuple[float, ...], criterion: int
) -> None:
    share = flip_weight(w, a, b, criterion)
    if share is None:
        return
    rest = sum(w) - w[criterion]
    shares = [share if i == criterion else x / rest * (1 - share) for i, x in enumerate(w)]
    level_a, level_b = (sum(s * v for s, v in zip(shares, row, strict=True)) for row in (a, b))
    assert level_a == pytest.approx(level_b, abs=1e-5)


@given(st.lists(values, min_size=1, max_size=12))
def test_shown_contributions_add_up_to_the_shown_total(parts: list[float]) -> None:
    shown = rounded_to_total(parts)
    assert sum(shown) == pytest.approx(round(sum(parts), 1), abs=0.051)
    assert all(abs(s - p) <= 0.1 + 1e-9 for s, p in zip(shown, parts, strict=True))


def test_a_missing_figure_is_an_interval_never_a_zero() -> None:
    sure, unsure, behind = weighted_totals([50, 50], [[90, 82], [70, None], [10, 10]])
    assert (unsure.low, unsure.high, unsure.complete) == (35, 85, False)
    assert (sure.best_rank, sure.worst_rank) == (1, 1)
    assert (unsure.best_rank, unsure.worst_rank) == (2, 2)
    assert (behind.best_rank, behind.worst_rank) == (3, 3)


@given(values, values)
def test_a_better_figure_never_gets_fewer_points(x: float, y: float) -> None:
    better, worse = sorted((x, y))
    f = linear(worst=90, best=10)
    assert value_of(f, better) >= value_of(f, worse)


def test_value_functions() -> None:
    assert value_of(linear(0.3, 0.02), [0.3, 0.16, 0.02, 0.5, 0]).tolist() == pytest.approx([0, 50, 100, 0, 100])
    steps = value_function(Shape.THRESHOLDS, [(0, 0), (5, 50), (8, 100)])
    assert value_of(steps, [4.9, 5, 9]).tolist() == [0, 50, 100]
    log = value_function(Shape.LOGARITHMIC, [(1, 100), (100, 0)])
    assert value_of(log, 10.0) == pytest.approx(50)
    assert value_of(min_max_over_field([2, 4, 6], lower_is_better=True), 2.0) == 100
    with pytest.raises(BadInput):
        linear(3, 3)
    with pytest.raises(BadInput):
        value_function(Shape.LOGARITHMIC, [(0, 100), (100, 0)])


def test_rank_chances_follow_the_readings() -> None:
    f = [linear(0, 100)]
    clear = [[Estimate(80, 1)], [Estimate(60, 1)], [NotDetermined("a reading")]]
    drawn = draw_values(clear, f, 3, 20_000)
    chance = rank_chances([1], drawn, 3)
    assert pair_chances([1], drawn, 3).beats[0, 1] == 1
    # The missing one is even over 0..100: it beats 80 in one draw of five.
    assert chance.rank[2, 0] == pytest.approx(0.2, abs=0.02)
    assert chance.rank.sum(axis=0) == pytest.approx([1, 1, 1])
    assert chance.rank.sum(axis=1) == pytest.approx([1, 1, 1])
    again = rank_chances([1], draw_values(clear, f, 3, 20_000), 3)
    assert (again.rank == chance.rank).all()


def test_equal_machines_share_and_counted_success_is_drawn() -> None:
    f = [linear(0, 1), linear(0, 100)]
    level = [[Counted(3, 3), Estimate(50, 0)]] * 2
    fixed = np.full((2, 2, 500), 50, np.float32)
    assert rank_chances([1, 1], fixed, 1).rank.ravel() == pytest.approx([0.5] * 4)
    drawn = draw_values(level, f, 1, 20_000)
    assert drawn[0].mean() == pytest.approx(87.5, abs=0.5)
    assert pair_chances([1, 1], drawn, 1).beats[0, 1] == pytest.approx(0.5, abs=0.02)


def test_two_normal_totals_win_as_often_as_the_normal_law_says() -> None:
    f = [linear(-1000, 1000)]
    figures = [[Estimate(10.0, 30.0)], [Estimate(-20.0, 40.0)]]
    chance = pair_chances([1], draw_values(figures, f, 11), 11)
    assert chance.beats[0, 1] == pytest.approx(0.7257, abs=0.005)


def test_gates_give_their_reason_and_how_sure_it_is() -> None:
    loud = judge_limit("noise at 1 m", Estimate(63, 0.7), 58, "dB")
    assert (loud.standing, loud.reason, loud.is_close) == (Standing.FAILS, "noise at 1 m 63 dB, limit 58", False)
    close = judge_limit("noise", Estimate(57.8, 0.7), 58, "dB")
    assert close.standing is Standing.PASSES
    assert close.certainty == pytest.approx(0.6125, abs=0.001)
    assert close.reason == "noise 58 dB, limit 58 (passes, 61 % sure)"
    over = judge_limit("noise", Estimate(58.2, 0.7), 58, "dB")
    assert over.reason == "noise 58.2 dB, limit 58.0 (fails, 61 % sure)"
    assert judge_limit("noise", NotDetermined("a noise reading"), 58, "dB").standing is Standing.OPEN
    least = judge_limit("surface", Estimate(80, 1), 70, "of 100", at_least=True)
    assert (least.standing, least.is_close) == (Standing.PASSES, False)
    assert judge_fits_flat(Bed(150, 150, 200), 180).standing is Standing.PASSES
    assert judge_fits_flat(Bed(120, 120, 200), 180).standing is Standing.FAILS


def test_all_good_is_never_failed_for_being_few() -> None:
    for tries in (1, 3, 8, 40):
        assert judge_success(Counted(tries, tries), 0.95).standing is Standing.PASSES
    assert judge_success(Counted(8, 8), 0.95).reason.startswith("8 of 8 attempts good, wanted 95 % (passes, ")
    assert judge_success(Counted(18, 20), 0.95).standing is Standing.FAILS
    assert judge_success(Counted(0, 0), 0.5).standing is Standing.OPEN
    assert judge_success(Counted(1, 40), 0.95).certainty > 0.999


def test_a_material_passes_by_a_print_that_came_out() -> None:
    assert judge_material("PETG", 1, 3).standing is Standing.PASSES
    assert judge_material("PETG", 0, 2).standing is Standing.FAILS
    assert judge_material("PETG", 0, 0).standing is Standing.OPEN


def test_a_machine_without_figures_may_be_anywhere_in_its_interval() -> None:
    # Drawn one by one its missing figures would meet in the middle, and 78 points would beat them every time.
    functions = [linear(0, 100)] * 8
    figures: list[list[Figure]] = [[Estimate(78.0, 0.5)] * 8, [NotDetermined("a figure")] * 8]
    chance = pair_chances([1.0] * 8, draw_values(figures, functions, 5), 5)
    assert chance.beats[0, 1] == pytest.approx(0.78, abs=0.02)


def test_ranks_of_many_machines_do_not_run_over() -> None:
    machines = 300
    values = np.linspace(0, 100, machines, dtype=np.float32)[None, :, None].repeat(100, axis=2)
    chance = rank_chances([1.0], values, 3)
    assert chance.expected_rank == pytest.approx(np.arange(machines, 0, -1))


def test_a_part_fits_a_round_bed_by_its_width_not_by_its_square() -> None:
    told = judge_fits_flat(Bed(320, 320, 400, is_round=True), 400)
    assert told == Judged(Standing.FAILS, "bed ⌀ 320 mm, part 400 mm; at most 320 mm lie flat")
    assert judge_fits_flat(Bed(320, 320, 400), 400).standing is Standing.PASSES
    assert judge_fits_flat(Bed(320, 320, 400, is_round=True, top_share=0.2), 320).standing is Standing.PASSES


def test_areas_kept_free_are_in_the_way_of_a_long_part() -> None:
    # A strip along the whole front: what is left is 200 × 150.
    strip = Bed(200, 200, 200, keep_outs=((-100.0, -100.0, 100.0, -50.0),))
    assert longest_flat(strip) == pytest.approx(250, abs=1)
    corner = Bed(200, 200, 200, keep_outs=((60.0, 60.0, 100.0, 100.0), (-100.0, -100.0, -60.0, -60.0)))
    assert longest_flat(Bed(200, 200, 200)) == pytest.approx(200 * 2**0.5)
    # The other diagonal is free.
    assert longest_flat(corner) == pytest.approx(200 * 2**0.5, abs=1)
    cross = Bed(200, 200, 200, keep_outs=((-100.0, -5.0, 100.0, 5.0), (-5.0, -100.0, 5.0, 100.0)))
    assert longest_flat(cross) == pytest.approx(95 * 2**0.5, abs=1)
    assert judge_fits_flat(cross, 180).standing is Standing.FAILS


@given(st.floats(50, 400), st.floats(50, 400), st.floats(0.1, 0.9), st.floats(0.1, 0.9), st.booleans())
@settings(max_examples=25, deadline=None)
def test_what_is_kept_free_never_lets_a_longer_part_on(
    x: float, y: float, at: float, share: float, is_round: bool
) -> None:
    left, front = (at - 0.5) * x, (at - 0.5) * y
    kept = ((left, front, left + share * x, front + share * y),)
    found = longest_flat(Bed(x, y, 200, is_round, keep_outs=kept))
    assert 0 <= found <= longest_flat(Bed(x, y, 200, is_round)) + 1e-6


@given(st.integers(1, 400), st.integers(1, 60))
def test_of_more_figures_fewer_draws_are_taken_but_never_too_few(machines: int, criteria: int) -> None:
    draws = draws_for(machines, criteria)
    assert 10_000 <= draws <= DRAWS
    assert draws_for(machines + 1, criteria) <= draws
    assert machines * criteria > 1000 or machines > 50 or draws == DRAWS
    assert draws == 10_000 or draws * bytes_of(machines, criteria) <= MOST_BYTES


def test_fewer_draws_tell_the_same_within_what_they_leave_open() -> None:
    rng = np.random.default_rng(5)
    values = rng.normal(rng.uniform(40, 60, (20, 8, 1)), 8, (20, 8, DRAWS)).astype(np.float32)
    many, few = (rank_chances([1.0] * 20, values[:, :, :n], 3, 0.3) for n in (DRAWS, 10_000))
    # Of 10 000 draws a chance is known to ± 1 % (95 %); of eight machines the worst of them a little worse.
    assert np.abs(many.rank - few.rank).max() < 0.02
    assert np.abs(many.between - few.between).max() < 0.05 * many.between.max()


def test_printers_that_end_level_share_the_better_rank() -> None:
    equal = weighted_totals([1, 2], [[60, 40], [60, 40], [20, 10], [20, 10]])
    assert [(t.best_rank, t.worst_rank) for t in equal] == [(1, 1), (1, 1), (3, 3), (3, 3)]
    # By another way to the same total: sums differ in the last digit only.
    level = weighted_totals([1, 1, 1], [[0.1, 0.2, 0.3], [0.3, 0.2, 0.1]])
    assert [(t.best_rank, t.worst_rank) for t in level] == [(1, 1), (1, 1)]
    # What is missing may still lift one above the other.
    open_ = weighted_totals([1, 1], [[50, 50], [50, None]])
    assert [(t.best_rank, t.worst_rank) for t in open_] == [(1, 2), (1, 2)]
