"""A machine's life: hours, faults and their trend, wear, and verdicts that hold or do not."""

import itertools
import math
from dataclasses import replace
from datetime import UTC, datetime, timedelta

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from crevlo.core.estimate import BadInput, Estimate, NotDetermined
from crevlo.core.life.clock import hour_clock
from crevlo.core.life.faults import more_than_before, stretches, trend
from crevlo.core.life.holds import Change, Held, held
from crevlo.core.life.wear import upkeep_per_h, wears
from crevlo.core.must_haves import MustHave
from crevlo.core.package.verify import published
from crevlo.core.ranking.gate import GateKind
from tests.core.test_package import bench_of, package_of

BEGIN = datetime(2026, 3, 1, 8, tzinfo=UTC)


def hour(n: float) -> datetime:
    return BEGIN + timedelta(hours=n)


# hours


@given(
    st.lists(st.tuples(st.floats(0, 500), st.floats(0.1, 20)), max_size=12),
    st.lists(st.tuples(st.floats(0, 900), st.floats(0, 400)), max_size=6),
)
def test_hours_never_run_back(prints: list, counter: list) -> None:
    made = hour_clock([(hour(t), h) for t, h in counter], [(hour(t), hour(t + long), long) for t, long in prints])
    read = [made.at(hour(t)) for t in np.linspace(-5, 1200, 60)]
    assert all(a <= b + 1e-9 for a, b in itertools.pairwise(read))
    assert read[-1] == pytest.approx(made.total)
    assert made.by_counter == bool(counter)


def test_the_counter_counts_and_prints_after_it_are_added() -> None:
    prints = [(hour(0), hour(10), 8.0), (hour(100), hour(105), 5.0)]
    assert hour_clock([], prints).total == 13
    made = hour_clock([(hour(50), 40.0)], prints)
    assert (made.at(hour(25)), made.at(hour(99)), made.total) == (20.0, 40.0, 45.0)


def test_what_a_machine_ran_before_it_came_counts_for_nobody() -> None:
    used = hour_clock([(hour(0), 3000.0), (hour(400), 3300.0)], [])
    assert (used.begins, used.watched, used.watches(hour(-1)), used.watches(hour(0))) == (3000, 300, False, True)
    # Printed on before anybody read its counter: 3000 h can't have passed in a day, so it came with all but those.
    first = hour_clock([(hour(24), 3000.0)], [(hour(0), hour(10), 10.0)])
    assert (first.begins, first.watched) == (2990, 10)
    new, came_used = (hour_clock([(hour(480), h)], [], came=hour(0)) for h in (300.0, 3000.0))
    assert (new.begins, new.watched, new.at(hour(240))) == (0, 300, 150)
    assert came_used.watched == 0


def test_faults_of_a_used_machine_are_no_trend_because_they_come_late_in_its_hours() -> None:
    steady = [3000 + h for h in (20, 60, 110, 160, 210, 270)]
    assert trend(steady, 3300).changes
    assert not trend(steady, 3300, 3000).changes
    found = stretches(steady, 3300, 3000)
    assert (found[0].begins_h, found[-1].ends_h, sum(s.faults for s in found)) == (3000, 3300, 6)
    assert {round(s.ends_h - s.begins_h) for s in found} == {50}


# faults


@given(st.lists(st.floats(0, 700), max_size=20), st.floats(1, 700))
def test_every_fault_is_in_one_stretch(at: list[float], total: float) -> None:
    found = stretches([min(a, total) for a in at], total)
    assert sum(s.faults for s in found) == len(at)
    assert found[0].begins_h == 0
    assert found[-1].ends_h == pytest.approx(total)
    assert all(s.rate.low <= s.rate.median <= s.rate.high for s in found)
    with pytest.raises(BadInput):
        stretches(at, 0)


@pytest.mark.parametrize("n", [3, 6, 11, 20])
def test_a_steady_rate_shows_a_trend_as_often_as_is_said(n: int) -> None:
    rng = np.random.default_rng(n)
    found = [trend(rng.uniform(0, 300, n).tolist(), 300) for _ in range(2000)]
    assert np.mean([t.changes for t in found]) == pytest.approx(0.05, abs=0.015)
    assert np.mean([t.p for t in found]) == pytest.approx(0.5, abs=0.03)


def test_faults_that_come_faster_are_a_trend_and_few_are_none() -> None:
    late = trend([200, 230, 250, 270, 285, 298], 300)
    assert (late.changes, late.statistic > 0) == (True, True)
    assert "more often as it ages" in late.words
    assert trend([10, 25, 30, 50, 60, 80], 300).words.startswith("faults come less often")
    with pytest.raises(NotDetermined, match="three faults"):
        trend([10, 290], 300)


def test_more_faults_than_before_are_told_from_as_many() -> None:
    rng = np.random.default_rng(1)
    alike = [more_than_before(int(rng.poisson(4)), 200, int(rng.poisson(2)), 100) for _ in range(3000)]
    assert np.mean(np.array(alike) <= 0.05) <= 0.05
    assert more_than_before(1, 300, 6, 80) < 0.001
    assert more_than_before(0, 300, 0, 80) == 1.0


# wear


@given(st.lists(st.floats(1, 300), min_size=1, max_size=6), st.floats(0, 300))
def test_what_lasted_a_while_is_due_by_its_mean(lasted: list[float], since: float) -> None:
    at = np.cumsum(lasted)
    [found] = wears([("Nozzle" if n % 2 else " nozzle ", float(h)) for n, h in enumerate(at)], float(at[-1]) + since)
    assert found.times == len(lasted)
    assert found.mean_h == pytest.approx(np.mean(lasted))
    assert found.due_in_h == pytest.approx(np.mean(lasted) - since, abs=1e-6)
    assert found.least_h <= found.mean_h + 1e-9 <= found.most_h + 2e-9


def test_how_long_the_first_part_of_a_used_machine_lasted_nobody_knows() -> None:
    replaced = [("nozzle", 3100.0), ("nozzle", 3220.0), ("belt", 3150.0)]
    [nozzle] = wears(replaced, 3300, 3000)
    assert (nozzle.part, nozzle.times, nozzle.mean_h, nozzle.due_in_h) == ("nozzle", 2, 120, 40)
    assert nozzle.words == "nozzle: replaced 2 times, lasted 120 h; 80 h on the present one, due in about 40 h."
    assert {w.part: w.most_h for w in wears(replaced, 3300)} == {"nozzle": 3100, "belt": 3150}


def test_what_is_due_first_stands_first_and_is_said() -> None:
    found = wears([("belt", 100.0), ("nozzle", 60.0), ("nozzle", 130.0)], 190.0)
    assert [w.part for w in found] == ["nozzle", "belt"]
    assert found[0].words == "nozzle: replaced 2 times, lasted 60 to 70 h; 60 h on the present one, due in about 5 h."
    assert found[1].words == "belt: lasted 100 h; 90 h on the present one, due in about 10 h."
    assert "over by 20 h" in wears([("belt", 50.0)], 120.0)[0].words
    assert upkeep_per_h([], 100) is None
    assert upkeep_per_h([12.0, 8.0], 100) == pytest.approx(0.2)


# verdicts


PUBLISHED = published(package_of(bench_of({"Mesa": 0.1, "Sparrow": 1.6, "Twin": 2.8}, 3)))


def now(*changes: Change, dearest: float | None = None) -> list[Held]:
    """With a school that pays no more than `dearest`."""
    school, *rest = PUBLISHED.buyers
    if dearest is not None:
        school = replace(school, must_haves=(*school.must_haves, MustHave(GateKind.PRICE, dearest)))
    return held(PUBLISHED.study, [school, *rest], changes)


def test_a_verdict_holds_while_nothing_changed_and_while_a_change_does_not_matter() -> None:
    nothing = now()
    assert all(h.holds for h in nothing)
    assert "nothing is known to have changed" in nothing[0].says
    cheaper = now(Change("M1", "the price of the Mesa fell to 250", paid=250.0))
    assert [h.holds for h in cheaper] == [True, True]


def test_a_price_beyond_a_buyers_limit_and_what_forbids_a_machine_turn_it_and_are_named() -> None:
    dear = Change("M1", "the price of the Mesa rose to 900", paid=900.0)
    away = Change("M3", "the Twin smoked", out="smoke")
    school = now(dear, away, dearest=400.0)[0]
    assert (school.was, school.holds) == ("Mesa", False)
    assert school.now.startswith("Sparrow")
    assert school.by == (dear.words,)
    assert "the price of the Mesa rose to 900. Mesa is left out now." in school.says
    unlimited = now(dear)[0]
    assert unlimited.was == "Mesa"


def test_a_retest_that_found_another_figure_counts_in_its_place() -> None:
    slow = Change(
        "M1", "the Mesa takes 7 h now", figures={"time": Estimate(7.5, 0.05), "off.mean": Estimate(0.25, 0.01)}
    )
    school = now(slow)[0]
    assert not school.holds
    assert "points" in school.says
    assert math.isfinite(float(school.says.split(" points,")[0].rsplit(" ", 1)[1]))


@given(st.floats(50, 3000))
@settings(max_examples=10)
def test_a_price_that_rises_never_brings_a_machine_up(price: float) -> None:
    def place(paid: float) -> int:
        found = now(Change("M2", "price", paid=paid))
        return int(found[0].now.startswith("Sparrow"))

    assert place(price) >= place(price * 1.5)
