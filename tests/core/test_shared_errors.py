"""Errors that machines share, intervals that are not even, and figures that follow from others: the worked examples and laws."""

import json
import math

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from crevlo.cli.calc import calculate
from crevlo.core.estimate import Estimate, NotDetermined, made_of
from crevlo.core.evaluations.scale import findings_of
from crevlo.core.evaluations.sizes import spread_between
from crevlo.core.evidence import Instrument, Reading, Specimen
from crevlo.core.features.feature import Feature, Kind
from crevlo.core.figure import Composed, Counted, Draws, Spread, difference_interval, interval
from crevlo.core.gaps import energy_of_trace
from crevlo.core.phases import Phase, Span
from crevlo.core.ranking.chances import draw_values, rank_chances
from crevlo.core.ranking.field import prior_of_counts
from crevlo.core.ranking.gate import Standing, judge_limit
from crevlo.core.ranking.leaders import share_first
from crevlo.core.ranking.value import linear
from crevlo.core.readings import feature_estimates
from crevlo.core.sizes import Axis, MeasuredFeature, deviation_at, fit_sizes
from crevlo.core.success import success_chance

ROWS = (
    "X 1 40 .107|X 1 30 .083|X 1 17 .066|X -1 24 .012|X 0 25 .044|Y 1 40 .021|Y 1 30 .024|Y 1 17 .031|Y -1 24 -.044|Y 0 25 -.008|"
    "Z 1 10 -.028|Z 1 25 -.021|Z 1 45 -.012|Z 0 15 .006|Z 0 20 .010"
)


def rows(u: float, u_cal: float) -> list[MeasuredFeature]:
    cells = (row.split() for row in ROWS.split("|"))
    return [MeasuredFeature(Axis(a), int(t), float(n), float(d), u, u_cal, "caliper C-1") for a, t, n, d in cells]


# the fit with its calibration


def test_the_fit_of_the_worked_example_with_a_calibration_that_all_rows_share() -> None:
    fit = fit_sizes(rows(0.006, 0.012))
    scales = [(100 * fit.scale[a].value, 100 * fit.scale[a].expanded) for a in Axis]
    assert scales == [pytest.approx(s, abs=5e-5) for s in ((0.1767, 0.0403), (-0.0351, 0.0403), (0.0442, 0.0464))]
    for found, expected in ((fit.wall_offset_mm, (0.0340, 0.0055)), (fit.first_layer_mm, (-0.0328, 0.0129))):
        assert (found.value, found.expanded) == pytest.approx(expected, abs=5e-5)
    # In outside and inside sizes taken together a bias is no wall; in a hole alone it is all of it.
    assert abs(fit.wall_offset_mm.shared["caliper C-1"]) < 0.001 < 0.009 < fit.hole_offset_mm.shared["caliper C-1"]
    said = json.loads(calculate("sizes", json.dumps({
        "u_calibration_mm": 0.012, "features": [{"axis": f.axis, "sense": f.sense, "nominal_mm": f.nominal_mm,
        "deviation_mm": f.deviation_mm, "u_mm": 0.006} for f in rows(0.006, 0.0)]})))  # fmt: skip
    assert said["fit"]["scale"]["X"]["U"] == pytest.approx(0.000403, abs=5e-7)
    assert set(said["fit"]["scale"]["X"]["shared"]) == {"calibration"}


@given(st.floats(-0.05, 0.05), st.integers(0, 50))
def test_a_bias_of_the_caliper_moves_what_is_fitted_by_what_it_shares(bias: float, seed: int) -> None:
    off = np.random.default_rng(seed).normal(0, 0.003, 15)
    plain = [
        MeasuredFeature(f.axis, f.sense, f.nominal_mm, f.deviation_mm + float(x), 0.02, 0.012, "C") for f, x in zip(rows(0, 0), off, strict=True)
    ]  # fmt: skip
    moved = [MeasuredFeature(f.axis, f.sense, f.nominal_mm, f.deviation_mm + bias, 0.02, 0.012, "C") for f in plain]
    before, after = fit_sizes(plain), fit_sizes(moved)
    assume(max(before.chi_squared, after.chi_squared) < before.dof)
    at = (deviation_at(before, Axis.X, 40.0), deviation_at(after, Axis.X, 40.0))
    for a, b in ((before.scale[Axis.X], after.scale[Axis.X]), (before.hole_offset_mm, after.hole_offset_mm), at):
        assert b.value - a.value == pytest.approx(bias * a.shared["C"] / 0.012, abs=1e-9)
        assert a.own**2 + a.u_shared**2 == pytest.approx(a.u**2)


def test_without_a_degree_of_freedom_it_is_said_that_nothing_checks_the_fit() -> None:
    two = [MeasuredFeature(Axis.X, 1, 40, 0.10, 0.01), MeasuredFeature(Axis.X, 1, 20, 0.08, 0.01)]
    fit = fit_sizes(two)
    assert (fit.dof, fit.scale[Axis.X].dof) == (0, math.inf)
    told = [f for f in findings_of(fit, two) if not isinstance(f.value, NotDetermined)]
    assert len(told) == 2
    assert all("no length is left to check" in f.says.meaning for f in told)
    checked = findings_of(fit_sizes(rows(0.012, 0)), rows(0.012, 0))
    assert not any("no length is left" in f.says.meaning for f in checked)


# U of a figure with few degrees of freedom beside a known part


@given(st.floats(0.01, 1), st.sampled_from([2.0, 4.0, 10.0]), st.floats(0.01, 1))
def test_the_interval_of_a_sum_of_known_and_estimated_holds_what_it_says(
    own: float, dof: float, shared: float
) -> None:
    drawn = Draws(40_000, np.random.default_rng(1)).of(made_of(0.0, own, dof, {"caliper": shared}))
    beyond = float(np.mean(np.abs(drawn) > made_of(0.0, own, dof, {"caliper": shared}).expanded))
    assert beyond == pytest.approx(0.05, abs=0.008)


def test_draws_share_what_figures_share_and_nothing_else() -> None:
    draws = Draws(50_000, np.random.default_rng(2))
    a, b = made_of(1.0, 0.1, shared={"meter": 1.0}), made_of(2.0, 0.1, shared={"meter": -1.0})
    first, second = draws.of(a, "A", "noise"), draws.of(b, "B", "noise")
    assert np.corrcoef(first, second)[0, 1] == pytest.approx(-0.99, abs=0.01)
    assert draws.of(a, "A", "noise") is first
    assert np.std(first + second) == pytest.approx(math.hypot(0.1, 0.1), rel=0.02)


# counts and spreads


def test_the_difference_of_two_counts_is_the_known_example() -> None:
    """Newcombe 1998, 56 of 70 against 48 of 80, with the ends of Jeffreys' intervals."""
    low, high = difference_interval(Counted(56, 70), Counted(48, 80))
    assert (low, high) == (pytest.approx(0.053, abs=0.004), pytest.approx(0.335, abs=0.006))


@given(st.integers(1, 30), st.data())
def test_a_difference_of_counts_turns_with_its_sides_and_holds_what_was_seen(n: int, data) -> None:
    a, b = (Counted(data.draw(st.integers(0, n)), n) for _ in "ab")
    low, high = difference_interval(a, b)
    assert low <= a.good / n - b.good / n <= high
    assert difference_interval(b, a) == (pytest.approx(-high), pytest.approx(-low))
    chance = success_chance(a.good, a.tries)
    assert interval(a) == (chance.low, chance.high)


@given(st.lists(st.tuples(st.floats(1e-4, 1), st.floats(1, 50)), min_size=1, max_size=3), st.floats(0, 0.5))
def test_a_spreads_interval_is_around_it_and_its_draws_are_in_it(parts, noise: float) -> None:
    spread = Spread(tuple(parts), noise * sum(v for v, _ in parts))
    assert 0 <= spread.low <= spread.value <= spread.high
    drawn = spread.draw(4000, np.random.default_rng(3))
    inside = np.mean((drawn >= spread.low * 0.99) & (drawn <= spread.high * 1.01))
    assert inside > 0.9
    surer = Spread(tuple((v, 4 * dof) for v, dof in parts), spread.noise)
    assert surer.high - surer.low <= spread.high - spread.low + 1e-12


def test_one_part_alone_is_the_chi_square_interval() -> None:
    spread = Spread(((0.04, 9.0),))
    assert spread.value == pytest.approx(0.2)
    assert (spread.low, spread.high) == (pytest.approx(0.1376, abs=1e-4), pytest.approx(0.3651, abs=1e-4))


def copies(*offsets: float, faces: int = 6, u: float = 0.001) -> list[dict[str, Estimate]]:
    wobble = np.random.default_rng(4).normal(0, 0.002, (len(offsets), faces))
    return [
        {f"F{k}": Estimate(10 * k + off + float(w[k]), u) for k in range(faces)}
        for off, w in zip(offsets, wobble, strict=True)
    ]


def test_faces_that_move_together_are_not_as_many_witnesses() -> None:
    together, apart = spread_between([copies(0.0, 0.03, -0.02)]), spread_between([copies(0.0, 0.0, 0.0)])
    assert together.value == pytest.approx(0.025, abs=0.002)
    # Three copies: two degrees of freedom, however many faces.
    assert together.high > 3 * together.value
    assert apart.value < 0.004
    assert isinstance(spread_between([copies(0.0)]), NotDetermined)
    two_lines = spread_between([copies(0.0, 0.03, -0.02), copies(0.01, 0.0, -0.03, faces=9)])
    assert two_lines.high < together.high
    read_badly = spread_between([copies(0.0, 0.0, 0.0, u=0.01)])
    assert read_badly.value == 0 < read_badly.high


def test_a_must_have_of_a_spread_says_how_sure_it_is() -> None:
    spread = Spread(((0.0004, 4.0),))
    passes = judge_limit("repeatability", spread, 0.03, "mm", 3)
    assert passes.standing is Standing.PASSES
    assert 0.7 < passes.certainty < 0.9
    assert "% sure" in passes.reason
    assert judge_limit("repeatability", spread, 0.2, "mm", 3).certainty > 0.975


# what follows from others


def test_a_figure_made_of_others_moves_with_them() -> None:
    hours = made_of(2.0, 0.1)
    cost = Composed(Estimate(6.0, 0.3), 5.4, 6.6, {"time": hours}, lambda drawn: 3 * drawn["time"])
    draws = Draws(5000, np.random.default_rng(5))
    assert np.allclose(draws.of(cost, "A", "cost"), 3 * draws.of(hours, "A", "time"))
    again = Draws(5000, np.random.default_rng(5))
    both = again.of(Counted(5, 9), "A", "success"), again.of(Counted(8, 12), "A", "success.all")
    # Counts of one machine are of the same tries.
    assert np.corrcoef(*both)[0, 1] > 0.98
    assert abs(np.corrcoef(both[0], again.of(Counted(5, 9), "B", "success"))[0, 1]) < 0.05


# fields


@given(st.lists(st.integers(1, 20), min_size=2, max_size=8), st.data())
def test_the_prior_of_counts_weighs_no_more_than_a_machines_own_tries(tries: list[int], data) -> None:
    counts = [Counted(data.draw(st.integers(0, n)), n) for n in tries]
    good, failed = prior_of_counts(counts)
    assert good > 0
    assert failed > 0
    assert 1 - 1e-9 <= good + failed <= max(1.0, sum(tries) / len(tries)) + 1e-9


@given(st.lists(st.floats(20, 80), min_size=2, max_size=6), st.floats(-20, 20))
def test_what_all_share_changes_no_chance(values: list[float], shift: float) -> None:
    functions = [linear(-1000, 1000)]
    own = [[made_of(v, 3.0)] for v in values]
    shared = [[made_of(v + shift, 3.0, shared={"meter": 25.0})] for v in values]
    first, second = (
        rank_chances([1.0], draw_values(rows_, functions, 7, 20_000), 7, 0.0).rank[:, 0] for rows_ in (own, shared)
    )
    assert first == pytest.approx(second, abs=0.03)


def test_of_two_or_three_machines_a_winner_is_ahead_beyond_chance() -> None:
    assert share_first([0.86, 0.14], ahead=[1.0, 0.9]) == (0, 1)
    assert share_first([0.99, 0.01], ahead=[1.0, 0.99]) == (0,)
    # Of four the field has said already how much is luck.
    assert share_first([0.86, 0.1, 0.04, 0.0], ahead=[1.0, 0.9, 0.95, 1.0]) == (0,)


# gaps


@given(st.floats(40, 600), st.integers(0, 40))
def test_a_gap_in_a_steady_phase_is_what_the_phase_draws(gap: float, seed: int) -> None:
    at = np.arange(0, 4000, 5.0)
    watts = 100 + np.random.default_rng(seed).normal(0, 1, len(at))
    seen = (at <= 1000) | (at >= 1000 + gap)
    made = energy_of_trace(at[seen], watts[seen], [Span(Phase.PRINTING, 0.0, 4000.0)])
    assert made.kwh == pytest.approx(100 * at[-1] / 3.6e6, rel=0.01)
    assert made.u_kwh < 0.02 * made.kwh
    assert made.low_kwh < made.kwh < made.high_kwh


def test_a_gap_is_of_the_phase_it_lies_in_and_cut_where_phases_meet() -> None:
    at = np.r_[np.arange(0, 500, 5.0), np.arange(700, 3000, 5.0)]
    watts = np.where(at < 600, 300.0, 100.0)
    spans = [Span(Phase.WARM_UP, 0.0, 600.0), Span(Phase.PRINTING, 600.0, 3000.0)]
    made = energy_of_trace(at, watts, spans)
    assert made.kwh == pytest.approx((600 * 300 + 2395 * 100) / 3.6e6, rel=0.01)
    # Where phases are guessed the edge may lie anywhere in the gap, and that is in its uncertainty.
    guessed = energy_of_trace(at, watts)
    assert guessed.u_kwh > 10 * max(made.u_kwh, 1e-6)
    assert abs(guessed.kwh - made.kwh) < 2 * guessed.u_kwh
    counter = np.r_[0.0, np.cumsum(np.diff(at) * (watts[1:] + watts[:-1]) / 2)] / 3600
    across = energy_of_trace(at, watts, spans, counter)
    assert (across.kwh, across.u_kwh) == (pytest.approx(counter[-1] / 1000), 0)


# warm parts


@given(st.floats(0, 15), st.sampled_from([10.0, 40.0, 140.0]))
def test_a_warm_part_is_as_unsure_as_its_expansion(kelvin: float, length: float) -> None:
    face = Feature("X1", Kind.LENGTH, "X", 1, length, "Jaws across.", None)
    caliper = {"C": Instrument("C-1", "caliper", 0.01, 0.012, 0.006)}
    cool, warm = (
        feature_estimates(Specimen({"X1": face}, tuple(Reading("X1", length + d, "C", k) for d in (0.0, 0.01, 0.02))), caliper)["X1"]
        for k in (0.0, kelvin)
    )  # fmt: skip
    assert warm.value == cool.value
    assert warm.u**2 - cool.u**2 == pytest.approx((70e-6 * warm.value * kelvin) ** 2, abs=1e-12)
    assert warm.shared == cool.shared
