"""Batches, circuits, the clock of tries; orders of other schools; studies taken together."""

import math
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from crevlo.core.batch import HOUR_S, PlateLoad, batch, iteration_clock, parts_a_month
from crevlo.core.circuit import carried, planned_w
from crevlo.core.cost import CostInputs, cost_of_batch, cost_per_good_part, say_levers, to_cost
from crevlo.core.estimate import BadInput, NotDetermined
from crevlo.core.pool import pool
from crevlo.core.ranking.schools import concordance, frontier, rank_sums, win_shares

amounts = st.floats(0, 1e4)
loads = st.builds(
    PlateLoad, parts=st.integers(1, 40), part_s=amounts, part_g=amounts, fixed_s=amounts, changes=st.integers(0, 400),
    change_s=st.floats(0, 300), purge_per_change_g=st.floats(0, 5), tower_g=amounts, purge_g=amounts, kwh_plate=st.floats(0, 5),
    kwh_part=st.floats(0, 5),
)  # fmt: skip


def test_changes_and_towers_are_paid_by_the_plate_however_many_parts_lie_on_it() -> None:
    many = batch(1000, PlateLoad(12, 3600, 28, 600, 297, 45, 0.61, 20))
    assert (many.plates, many.hours, many.waste_g) == (84, pytest.approx(1325.85), pytest.approx(16898.28))
    few = batch(30, PlateLoad(7, 1500, 9, 600, 40, 60, 0.5, 6))
    assert (few.plates, round(few.hours, 2), few.waste_g, few.part_g) == (5, 16.67, 130, 270)
    assert few.per_part.waste_g == pytest.approx(130 / 30)


@given(loads, st.integers(1, 5000))
def test_a_part_more_never_takes_less_and_a_part_of_many_never_more_than_of_one(load: PlateLoad, n: int) -> None:
    one, now, then = batch(1, load), batch(n, load), batch(n + 1, load)
    assert then.hours >= now.hours
    assert then.waste_g >= now.waste_g
    assert now.per_part.hours <= one.hours * (1 + 1e-9) + 1e-12
    assert now.per_part.kwh * n == pytest.approx(now.kwh)
    # Full plates are the cheapest a part can come.
    full = batch(load.parts * 3, load)
    assert full.per_part.waste_g <= now.per_part.waste_g * (1 + 1e-9) + 1e-12


def test_a_month_holds_whole_plates_only() -> None:
    load = PlateLoad(6, 0.5 * HOUR_S, 10, fixed_s=HOUR_S)
    assert [parts_a_month(load, h) for h in (0, 3.99, 4, 300)] == [0, 0, 6, 450]
    for wrong in (-1, 745):
        with pytest.raises(BadInput):
            parts_a_month(load, wrong)


def test_the_clock_charges_what_every_print_takes_to_every_try() -> None:
    clock = iteration_clock([3600, 3600, 1800], fixed_s=600, between_s=300)
    assert clock.to_try_s == (4200, 8700, 11400)
    assert clock.fixed_share == pytest.approx(1800 / 11400)
    for wrong in (([], 0, 0), ([0.0], 0, 0), ([10.0], -1, 0)):
        with pytest.raises(BadInput):
            iteration_clock(*wrong)


def test_a_circuit_carries_more_machines_started_one_after_another() -> None:
    both = carried(380, 140, planned_w(16, 230))
    assert (both.all_at_once, both.one_after_another) == (7, 19)
    assert carried(1000, 200, 800).one_after_another == 0
    exact = carried(300, 100, 0.1 * 3 * 1000)
    assert (exact.all_at_once, exact.one_after_another) == (1, 1)


@given(st.floats(50, 800), st.floats(0.1, 1), st.floats(100, 5000))
def test_what_a_circuit_carries_stays_under_its_limit_and_one_more_does_not(
    peak: float, part: float, limit: float
) -> None:
    steady = peak * part
    made = carried(peak, steady, limit)
    assert made.all_at_once * peak <= limit * (1 + 1e-9)
    n = made.one_after_another
    assert n >= made.all_at_once
    assert n == 0 or (n - 1) * steady + peak <= limit * (1 + 1e-9)
    assert n * steady + peak > limit * (1 - 1e-9)


def test_schools_as_worked_by_hand() -> None:
    assert win_shares({"a": [82, 40, 55], "b": [70, 72, 66], "c": [70, None, 80]}) == {"a": 0.4, "b": 0.5, "c": 0.625}
    rows = {"1": (80, 70, 60), "2": (90, 85, 85), "3": (60, 75, 50), "4": (88, 88, 70)}
    sums = rank_sums({k: dict(zip("abc", r, strict=True)) for k, r in rows.items()})
    assert (sums.sum, round(sums.friedman_p, 4)) == ({"a": 5.5, "b": 7, "c": 11.5}, 0.0617)
    assert concordance([1, 2, 3, 4], [1, 3, 2, 4]) == pytest.approx(2 / 3)
    priced = {"a": (540, 76.4), "b": (335, 74.9), "c": (690, 66.8), "d": (305, 52.1), "e": (685, 49.3)}
    assert frontier(priced) == ["a", "b", "d"]


def test_schools_say_nothing_where_nothing_is_compared() -> None:
    alone = win_shares({"a": [1.0, None], "b": [None, 2.0]})
    assert all(isinstance(x, NotDetermined) for x in alone.values())
    with pytest.raises(NotDetermined):
        rank_sums({"1": {"a": 1.0}, "2": {"b": 2.0}})
    assert rank_sums({"1": {"a": 1.0, "b": 1.0, "c": 1.0}, "2": {"a": 1.0, "b": 1.0, "c": 1.0}}).friedman_p is None
    with pytest.raises(NotDetermined):
        concordance([1, 1], [1, 2])
    twins = {"a": (300.0, 60.0), "b": (300.0, 60.0)}
    assert frontier(twins) == ["a", "b"]


@given(st.dictionaries(st.sampled_from("abcdef"), st.lists(st.integers(0, 5), min_size=3, max_size=3), min_size=2))
def test_shares_of_wins_average_to_a_half(machines: dict[str, list[int]]) -> None:
    assert sum(win_shares(machines).values()) == pytest.approx(len(machines) / 2)


def test_benches_are_pooled_with_what_sets_them_apart() -> None:
    made = pool([(76.4, 3.1), (70.1, 2.4), (73.0, 2.9), (79.2, 4.0)])
    assert made.mean.value == pytest.approx(73.95, abs=0.005)
    assert made.mean.expanded == pytest.approx(6.15, abs=0.005)
    assert (round(made.tau, 2), round(made.i2_percent)) == (2.42, 39)
    alike = pool([(10.0, 1.0), (10.0, 1.0), (10.0, 1.0)])
    assert (alike.tau, alike.i2_percent) == (0, 0)
    assert alike.mean.u == pytest.approx(1 / math.sqrt(3))
    with pytest.raises(NotDetermined):
        pool([(1.0, 1.0)])


def test_pooled_means_cover_the_truth_as_often_as_they_say() -> None:
    rng = np.random.default_rng(7)
    hit, studies = 0, 600
    for _ in range(studies):
        u = rng.uniform(0.5, 2.0, 6)
        made = pool(list(zip(rng.normal(rng.normal(50, 1.5, 6), u), u, strict=True))).mean
        hit += abs(made.value - 50) <= made.expanded
    assert 0.92 <= hit / studies <= 0.98


plates = st.builds(
    CostInputs, price=st.floats(50, 2000), upgrades=st.floats(0, 200), residual=st.floats(0, 40), life_h=st.floats(500, 8000),
    upkeep_per_h=st.floats(0, 1), parts_per_plate=st.integers(1, 24), part_g=st.floats(1, 200), purge_g=st.floats(0, 200),
    material_per_kg=st.floats(5, 80), energy_kwh=st.floats(0.01, 5), tariff_per_kwh=st.floats(0.05, 1), hours=st.floats(0.2, 60),
    labour_min=st.floats(0, 60), wage_per_h=st.floats(0, 60), success=st.floats(0.2, 1), loss_fraction=st.floats(0, 1),
    failed_labour_min=st.floats(0, 60),
)  # fmt: skip


@given(plates, st.floats(0.3, 1.2))
def test_what_would_make_it_as_cheap_does_and_each_change_is_the_least_of_its_kind(
    plate: CostInputs, share: float
) -> None:
    wanted = share * cost_per_good_part(plate).total
    levers = to_cost(plate, wanted)
    assert (share < 1) or levers == []
    for lever in levers:
        made = cost_per_good_part(replace(plate, **{lever.name: lever.needed})).total
        assert made <= wanted * (1 + 1e-9)
        assert made == pytest.approx(wanted, rel=1e-6)
    assert [lever.change for lever in levers] == sorted(lever.change for lever in levers)


@given(plates, st.integers(1, 200))
def test_a_full_plate_costs_as_a_batch_what_it_costs_as_a_plate(plate: CostInputs, parts: int) -> None:
    n = int(plate.parts_per_plate)
    load = PlateLoad(
        n, part_s=3600 * plate.hours / n, part_g=plate.part_g, purge_g=plate.purge_g, kwh_part=plate.energy_kwh / n
    )
    whole = cost_of_batch(batch(3 * n, load), plate)
    assert whole.total == pytest.approx(cost_per_good_part(plate).total)
    assert cost_of_batch(batch(parts, load), plate).total >= whole.total * (1 - 1e-9)


def test_words_say_what_would_have_to_be_so() -> None:
    plate = CostInputs(500, 0, 100, 4000, 0.05, 1, 20, 0, 22.5, 0.2, 0.3, 3, 6, 18, 0.9, 0.5, 10)
    total = cost_per_good_part(plate).total
    words = say_levers("Mesa", to_cost(plate, 0.95 * total), "Sparrow", "EUR")
    assert words == (
        "Mesa would be as cheap as Sparrow if the share of good prints were 94 % instead of 90, or the time of a plate were "
        "2.00 h instead of 3.00, or the filament of a part were 13.37 g instead of 20.00."
    )
    for name, said in (("success", 0.94), ("hours", 2.00), ("part_g", 13.37)):
        assert cost_per_good_part(replace(plate, **{name: said})).total <= 0.95 * total
    assert say_levers("Mesa", to_cost(plate, 0.0001), "Sparrow", "EUR").startswith(
        "Nothing that could be changed alone"
    )
