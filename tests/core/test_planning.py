"""Planning: jobs and their order, effort, how many copies, machines under two names, pictures of defects."""

import math
from collections import Counter
from dataclasses import replace
from itertools import combinations, pairwise

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy import stats

from crevlo.core.anchor_pictures import Stroke, picture
from crevlo.core.artifacts.shelf import DESIGNS, SHELF
from crevlo.core.defects import KNOWN
from crevlo.core.effort import Handling, PlannedPrint, effort, is_absurd
from crevlo.core.estimate import BadInput
from crevlo.core.gcode.facts import read_facts
from crevlo.core.heat import printing_watts
from crevlo.core.lookalike import Sheet, compare, lookalikes
from crevlo.core.print_estimate import expected_print
from crevlo.core.protocol import shuffled_jobs
from crevlo.core.repeats import copies_needed, difference_told, power
from crevlo.sim.device import sliced_file

PLA = 1.24
HANDLING = Handling(
    per_print_min=6, per_reading_s=12, per_inspection_min=4, staff_h_per_day=7, printing_h_per_day=24
)  # fmt: skip


@given(
    copies=st.lists(st.integers(1, 4), min_size=1, max_size=5), machines=st.integers(2, 6), seed=st.integers(0, 999),
    barred=st.sets(st.tuples(st.integers(0, 5), st.integers(0, 4)), max_size=6),
)  # fmt: skip
def test_jobs_are_all_there_once_and_shuffled_within_blocks(
    copies: list[int], machines: int, seed: int, barred: set[tuple[int, int]]
) -> None:
    lines = list(enumerate(copies))
    possible = lambda m, line: (m, line) not in barred  # noqa: E731
    jobs = shuffled_jobs(lines, list(range(machines)), possible, seed)
    wanted = {(m, k, c) for m in range(machines) for k, n in lines for c in range(1, n + 1) if (m, k) not in barred}
    assert Counter(jobs) == Counter(wanted)
    assert jobs == shuffled_jobs(lines, list(range(machines)), possible, seed)
    assert [c for _, _, c in jobs] == sorted(c for _, _, c in jobs)
    # Prints of one line and copy follow each other: drift hits its machines alike.
    blocks = [(line, copy) for _, line, copy in jobs]
    starts = sum(a != b for a, b in pairwise(blocks)) + bool(blocks)
    assert starts == len(set(blocks))


def test_copies_for_a_difference_agree_with_tables_and_with_trying_it() -> None:
    # Two-sided 5 %, 80 %: the usual tables' 17, 64 and 6 for a difference of 1, ½ and 2 standard deviations.
    assert [copies_needed(d, 1) for d in (1, 0.5, 2)] == [17, 64, 6]
    assert copies_needed(0.1, 1) is None
    rng = np.random.default_rng(4)
    a, b = rng.normal(0, 1, (40_000, 5)), rng.normal(1.7, 1, (40_000, 5))
    told = (stats.ttest_ind(a, b, axis=1).pvalue < 0.05).mean()
    assert power(1.7, 1, 5) == pytest.approx(told, abs=0.01)


@given(spread=st.floats(0.001, 100), copies=st.integers(2, 20))
def test_what_copies_tell_and_what_they_need_agree(spread: float, copies: int) -> None:
    told = difference_told(spread, copies)
    assert power(told, spread, copies) == pytest.approx(0.8, abs=1e-6)
    assert copies_needed(told * 1.0001, spread) == copies
    assert power(told, spread, copies) > power(told * 0.9, spread, copies)


def test_no_spread_or_one_copy_says_so() -> None:
    for arguments in ((1, 0, 3), (0, 1, 3), (1, 1, 1)):
        with pytest.raises(BadInput):
            power(*arguments)


def test_expected_prints_lie_near_sliced_ones() -> None:
    block = DESIGNS["SB"].build()
    expected = expected_print(block.volume_mm3, block.surface_mm2, block.size_mm[2])
    for name in ("step-block-a-0.20-absolute", "step-block-b-0.20-relative"):
        facts = read_facts([sliced_file(name)])
        assert expected.filament_mm3 / 1000 * PLA == pytest.approx(float(facts.mass_g), rel=0.05)
        assert abs(np.log(float(facts.time_s) / expected.seconds)) < 2 * expected.log_spread
    times = [expected_print(30_000, 9_000, 40, infill_percent=i).seconds for i in (0, 15, 50, 100)]
    assert times == sorted(times)
    assert expected_print(3_000, 20_000, 1).filament_mm3 == 3_000  # all skin
    with pytest.raises(BadInput):
        expected_print(0, 1, 1)


def test_effort_adds_up_and_names_what_sets_the_days() -> None:
    prints = [PlannedPrint(m, ("S-07",), 36_000, 0.0, 20, 100, 30) for m in ("A", "B", "C") for _ in range(2)]
    one = effort(prints, HANDLING)
    assert (one.prints, one.printing_h, one.machine_h) == (6, 60, {"A": 20, "B": 20, "C": 20})
    assert (one.energy_kwh, one.filament_g) == (pytest.approx(6), {"S-07": 120})
    assert one.person_h == pytest.approx(6 * 10 / 60 + 180 * 12 / 3600)
    assert (one.days, one.bottleneck) == (pytest.approx(60 / 24), "spool S-07")
    lots = effort(prints, HANDLING, one_spool=False)
    assert lots.days == pytest.approx(20 / 24)
    busy = effort(prints, Handling(120, 12, 4, 7, 24), one_spool=False)
    assert busy.bottleneck == "the people at the bench"
    loose = effort([PlannedPrint("A", (), 3600, 0.3, 5, 100, 0)] * 4, HANDLING)
    assert loose.low_h < 4 < loose.high_h
    assert effort([], HANDLING).prints == 0


def test_a_spread_from_a_few_prints_of_seconds_makes_no_plan_of_months() -> None:
    """Three prints of seconds once gave a plan of five prints 2 261 hours."""
    plan = [PlannedPrint("Mesa", ("S-1",), 3600.0, spread, 20.0, 80.0, 10) for spread in (5.0,) * 5]
    made = effort(plan, Handling(6, 12, 4, 8, 24))
    assert made.printing_h == pytest.approx(5 * math.exp(math.log(2) ** 2 / 2))
    assert made.high_h < 15
    usual = [replace(p, log_spread=0.1) for p in plan]
    assert effort(usual, Handling(6, 12, 4, 8, 24)).printing_h == pytest.approx(5 * math.exp(0.005))


@pytest.mark.parametrize(
    ("took_s", "absurd"), [(3, True), (479, True), (481, False), (3840, False), (30_700, False), (30_800, True)]
)
def test_three_seconds_of_an_hour_tell_nothing_of_a_printer(took_s: float, absurd: bool) -> None:
    assert is_absurd(took_s, 3840) is absurd


def test_one_machine_under_two_names_is_seen_with_reasons_and_doubts() -> None:
    sheets = [
        Sheet("Brindle 235", (235, 235, 250), board="Type 4", hotend="Short, brass", price=265, weight_kg=8.1),
        Sheet("Calder Cub", (234, 235, 250), board="type  4", hotend="short, brass", price=305, weight_kg=None),
        Sheet("Tamsin Forge", (235, 235, 250), board="Type 9", hotend="Short, brass", price=270),
        Sheet("Round One", (235, 235, 250), is_round=True, board="Type 4", hotend="Short, brass"),
        Sheet("Bare", (235, 235, 250)),
    ]
    (pair,) = lookalikes(sheets)
    assert (pair.first, pair.second) == ("Brindle 235", "Calder Cub")
    assert pair.reasons == (
        "build volume 235 × 235 × 250 mm", "board Type 4", "hotend Short, brass", "list price 265 and 305",
    )  # fmt: skip
    assert pair.open == ("motion system", "extruder", "weight")
    dear = Sheet("Dear", (235, 235, 250), board="Type 4", hotend="Short, brass", price=900)
    assert lookalikes([sheets[0], dear])[0].against == ("list price 265 against 900",)


SHEETS = st.lists(
    st.builds(
        Sheet,
        name=st.text("abc", min_size=1, max_size=3),
        volume_mm=st.tuples(*[st.sampled_from([0.0, 100.0, 102.0, 102.05, 104.0, 220.0, 224.4, 235.0])] * 3),
        tools=st.sampled_from([1, 2]),
        is_round=st.booleans(),
        board=st.sampled_from(["", "B-1", "b-1"]),
        hotend=st.sampled_from(["", "lined"]),
        motion=st.sampled_from(["", "crossed"]),
        weight_kg=st.sampled_from([None, 8.0, 8.2]),
    ),
    max_size=14,
)


@given(SHEETS)
def test_lookalikes_found_by_cells_are_those_of_all_pairs(sheets: list[Sheet]) -> None:
    pairs = [pair for a, b in combinations(sheets, 2) if (pair := compare(a, b))]
    assert Counter(lookalikes(sheets)) == Counter(pairs)


@pytest.mark.parametrize("code", KNOWN)
def test_pictures_show_more_of_the_fault_at_every_severity(code: str) -> None:
    amounts = [sum(_ink(s) for s in picture(code, severity) if s.kind == "fault") for severity in range(6)]
    assert amounts[0] == 0
    assert all(b > a for a, b in pairwise(amounts)), amounts
    with pytest.raises(BadInput):
        picture(code, 6)


def _ink(stroke: Stroke) -> float:
    """Area covered by a stroke."""
    p = np.array(stroke.points)
    if stroke.closed:
        x, y = p.T
        return float(abs(np.dot(x, np.roll(y, 1)) - np.dot(y, np.roll(x, 1))) / 2)
    return float(np.linalg.norm(np.diff(p, axis=0), axis=1).sum() * stroke.width)


def test_every_artifact_names_the_defects_it_brings_out() -> None:
    assert all(set(d.build().shows) <= set(KNOWN) and d.build().shows for d in SHELF)


@given(st.floats(100, 500), st.floats(100, 500), st.floats(180, 300), st.floats(20, 110))
def test_more_plate_and_more_heat_take_more(x: float, y: float, nozzle: float, bed: float) -> None:
    watts = printing_watts(x, y, nozzle, bed)
    assert 40 < watts < 800
    assert printing_watts(x + 20, y, nozzle, bed) >= watts
    assert printing_watts(x, y, nozzle + 10, bed) > watts
    assert printing_watts(x, y, nozzle, bed + 5) > watts
    assert printing_watts(x, y, nozzle, 5) == printing_watts(x, y, nozzle, 21)


def test_what_heaters_take_is_of_the_usual_size() -> None:
    # A usual machine at 215 and 60 °C takes 80 to 130 W, a large one at 245 and 100 °C 250 to 450.
    assert 80 < printing_watts(220, 220, 215, 60) < 130
    assert 250 < printing_watts(350, 350, 245, 100) < 450
    with pytest.raises(BadInput, match="sizes above 0"):
        printing_watts(0, 220, 215, 60)
