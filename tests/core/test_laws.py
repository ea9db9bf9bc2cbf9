"""Laws that hold for any input, one group per noun of the core."""

import math
from itertools import accumulate, pairwise

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from crevlo.core.cost import CostInputs, cost_per_good_part
from crevlo.core.defects import KNOWN, USUAL, specimen_quality
from crevlo.core.energy import integrate_counter, integrate_power, read_trace
from crevlo.core.estimate import Estimate, NotDetermined, coverage_factor
from crevlo.core.figure import Counted
from crevlo.core.gaps import trace_energy
from crevlo.core.gcode.facts import read_facts
from crevlo.core.gcode.stated import parse_duration
from crevlo.core.grade import feature_grade, machine_grade, tolerance_mm
from crevlo.core.noise import at_distance_db, mean_level_db, without_background_db
from crevlo.core.ranking.chances import draw_values, pair_chances, rank_chances
from crevlo.core.ranking.points import weighted_totals
from crevlo.core.ranking.value import Shape, linear, value_function, value_of
from crevlo.core.readings import combine_readings
from crevlo.core.sizes import Axis, MeasuredFeature, correction_factor, deviation_at, fit_sizes
from crevlo.core.statistics import pool_scatter
from crevlo.core.success import fault_rate, success_chance

sizes = st.floats(1.01, 500)
levels = st.floats(20, 100)


# readings


@given(st.lists(st.integers(-30, 30), min_size=2, max_size=6), st.floats(5, 100), st.floats(0.5, 3))
def test_readings_follow_a_shift_and_a_change_of_unit(hundredths: list[int], at: float, unit: float) -> None:
    here = combine_readings([h / 100 for h in hundredths], resolution_mm=0.01, u_calibration_mm=0.01)
    there = combine_readings([at + h / 100 for h in hundredths], resolution_mm=0.01, u_calibration_mm=0.01)
    assert (there.value - at, there.u) == pytest.approx((here.value, here.u), abs=1e-9)
    other = combine_readings(
        [unit * h / 100 for h in hundredths], resolution_mm=unit * 0.01, u_calibration_mm=unit * 0.01
    )
    assert (other.value, other.u) == pytest.approx((unit * here.value, unit * here.u), abs=1e-9)


@given(st.lists(st.floats(-0.05, 0.05), min_size=2, max_size=5), st.integers(2, 6))
def test_more_of_the_same_readings_are_surer_but_never_than_the_instrument(scatter: list[float], times: int) -> None:
    few = combine_readings(scatter, resolution_mm=0.01, u_calibration_mm=0.012)
    many = combine_readings(scatter * times, resolution_mm=0.01, u_calibration_mm=0.012)
    assert many.u <= few.u + 1e-12
    assert many.expanded <= few.expanded + 1e-12
    assert many.u >= math.hypot(0.01 / math.sqrt(12), 0.012) - 1e-12


@given(st.lists(st.lists(st.floats(-1, 1), min_size=2, max_size=4), min_size=1, max_size=5), st.floats(-50, 50))
def test_pooled_scatter_lies_between_the_groups(groups: list[list[float]], shift: float) -> None:
    pooled, dof = pool_scatter(groups)
    single = [pool_scatter([g])[0] for g in groups]
    assert min(single) - 1e-9 <= pooled <= max(single) + 1e-9
    assert dof == sum(len(g) - 1 for g in groups)
    moved, _ = pool_scatter([[x + shift * i for x in g] for i, g in enumerate(groups)])
    assert moved == pytest.approx(pooled, abs=1e-7)


@given(st.floats(1, 1000), st.floats(1, 1000))
def test_fewer_degrees_of_freedom_never_narrow_an_interval(a: float, b: float) -> None:
    few, many = sorted((a, b))
    assert coverage_factor(few) >= coverage_factor(many) >= coverage_factor(math.inf)


# sizes and grades


def _faces(scale: float, wall: float, first: float, u: float = 0.01) -> list[MeasuredFeature]:
    plain = [(axis, s, n, wall) for axis in (Axis.X, Axis.Y) for s, n in ((1, 40.0), (1, 30.0), (1, 17.0), (-1, 8.0))]
    heights = [(Axis.Z, 1, n, first) for n in (10.0, 25.0, 45.0)]
    return [MeasuredFeature(axis, s, n, scale * n + s * offset, u) for axis, s, n, offset in plain + heights]


hidden = (st.floats(-0.01, 0.01), st.floats(-0.3, 0.3), st.floats(-0.3, 0.3))


@given(*hidden)
def test_undoing_what_was_found_leaves_nothing(scale: float, wall: float, first: float) -> None:
    fit = fit_sizes(_faces(scale, wall, first))
    for axis in Axis:
        found = fit.scale[axis]
        assert isinstance(found, Estimate)
        assert (1 + scale) * correction_factor(found.value) == pytest.approx(1, abs=1e-9)
        offset = first if axis is Axis.Z else wall
        assert deviation_at(fit, axis, 33.0).value == pytest.approx(33.0 * scale + offset, abs=1e-9)
    assert fit.residual_rms_mm == pytest.approx(0, abs=1e-9)


@given(*hidden, st.floats(1.5, 10))
def test_coarser_readings_widen_every_statement_alike(scale: float, wall: float, first: float, k: float) -> None:
    fine, coarse = fit_sizes(_faces(scale, wall, first)), fit_sizes(_faces(scale, wall, first, 0.01 * k))
    for axis in Axis:
        a, b = fine.scale[axis], coarse.scale[axis]
        assert isinstance(a, Estimate)
        assert isinstance(b, Estimate)
        assert b.u == pytest.approx(k * a.u, rel=1e-6)


@given(sizes, sizes, st.integers(5, 17))
def test_tolerances_grow_with_size_and_grade(a: float, b: float, grade: int) -> None:
    small, large = sorted((a, b))
    assert tolerance_mm(small, grade) <= tolerance_mm(large, grade)
    assert tolerance_mm(small, grade) < tolerance_mm(small, grade + 1)


@given(sizes, st.floats(-2, 2))
def test_a_grade_is_the_finest_that_holds_the_deviation(nominal: float, deviation: float) -> None:
    assume(tolerance_mm(nominal, 18) >= 2 * abs(deviation))
    grade = feature_grade(nominal, deviation)
    assert tolerance_mm(nominal, grade) >= 2 * abs(deviation)
    assert grade == 5 or tolerance_mm(nominal, grade - 1) < 2 * abs(deviation)
    assert machine_grade([(nominal, deviation)] * 7) == grade


# noise


@given(st.lists(levels, min_size=1, max_size=8), st.floats(1, 60))
def test_a_mean_level_lies_between_the_loudest_and_the_softest(read: list[float], time_s: float) -> None:
    mean = mean_level_db(read, [time_s] * len(read))
    assert min(read) - 1e-9 <= mean <= max(read) + 1e-9
    assert mean >= np.mean(read) - 1e-9  # loud moments weigh more than their share
    assert mean == pytest.approx(mean_level_db(list(reversed(read))))


@given(levels, st.floats(3.01, 14.9))
def test_taking_the_background_out_and_putting_it_back(level: float, above: float) -> None:
    background = level - above
    machine = without_background_db(level, background)
    assert machine < level
    assert 10 * math.log10(10 ** (machine / 10) + 10 ** (background / 10)) == pytest.approx(level)


@given(levels, st.floats(0.25, 4))
def test_distance_there_and_back(level: float, metres: float) -> None:
    assert at_distance_db(at_distance_db(level, metres), 1.0, metres) == pytest.approx(level)


# success and faults


@given(st.integers(0, 40), st.integers(0, 40))
def test_chances_of_success_keep_their_order_and_narrow_with_tries(good: int, bad: int) -> None:
    chance = success_chance(good, good + bad)
    assert 0 <= chance.low <= chance.mean <= chance.high <= 1
    assert success_chance(good + 1, good + bad + 1).mean > chance.mean > success_chance(good, good + bad + 1).mean
    tenfold = success_chance(10 * good, 10 * (good + bad))
    if good and bad:
        assert tenfold.high - tenfold.low < chance.high - chance.low
    mirrored = success_chance(bad, good + bad)
    assert mirrored.mean == pytest.approx(1 - chance.mean)
    assert chance.tries_per_good == pytest.approx(1 / chance.mean)


@given(st.integers(0, 50), st.floats(1, 5000), st.floats(1.1, 20))
def test_the_same_faults_over_more_hours_are_fewer_per_hour(faults: int, hours: float, longer: float) -> None:
    rate = fault_rate(faults, hours)
    assert 0 <= rate.low < rate.median < rate.high
    assert fault_rate(faults, hours * longer).median == pytest.approx(rate.median / longer)
    assert fault_rate(faults + 1, hours).median > rate.median


# energy


@given(st.lists(st.floats(0.5, 25), min_size=2, max_size=30), st.data())
def test_a_power_log_and_its_counter_say_the_same(steps: list[float], data: st.DataObject) -> None:
    time_s = np.array([0.0, *accumulate(steps)])
    power = np.array([data.draw(st.floats(0, 800)) for _ in time_s])
    by_power = integrate_power(time_s, power)
    joules = np.concatenate([[0.0], np.cumsum(np.diff(time_s) * (power[1:] + power[:-1]) / 2)])
    by_counter = integrate_counter(time_s, joules / 3600)
    assert by_counter.kwh == pytest.approx(by_power.kwh, abs=1e-9)
    assert integrate_power(time_s + 1e6, power).kwh == pytest.approx(by_power.kwh, abs=1e-9)
    assert integrate_power(time_s, 3 * power).kwh == pytest.approx(3 * by_power.kwh, abs=1e-9)


@given(st.floats(31, 3000), st.floats(0, 800), st.floats(0, 800))
def test_a_gap_is_between_nothing_and_all_of_it(gap: float, before: float, after: float) -> None:
    whole = integrate_power(np.array([0.0, 10, 10 + gap, 20 + gap]), np.array([before, before, after, after]))
    seen = 10 * (before + after) / 3.6e6
    assert whole.low_kwh == pytest.approx(seen, abs=1e-12)
    assert whole.high_kwh == pytest.approx(seen + gap * max(before, after) / 3.6e6, abs=1e-12)
    assert [(g.start_s, g.end_s) for g in whole.gaps] == [(10, 10 + gap)]


@given(
    st.lists(st.floats(0, 900), min_size=3, max_size=40), st.sampled_from([(",", "."), (";", "."), (";", ","), ("\t", ".")]),
    st.sampled_from(["\n", "\r\n"]), st.booleans(),
)  # fmt: skip
def test_a_log_reads_the_same_in_every_spelling(
    watts: list[float], marks: tuple[str, str], end: str, bom: bool
) -> None:
    between, point = marks
    rows = [between.join(("time", "power"))]
    rows += [between.join((str(5 * i), f"{w:.2f}".replace(".", point))) for i, w in enumerate(watts)]
    content = (end.join(rows) + end).encode("utf-8-sig" if bom else "utf-8")
    kind, time_s, power = read_trace(content)
    assert kind == "power"
    assert time_s.tolist() == [5.0 * i for i in range(len(watts))]
    assert power.tolist() == pytest.approx([round(w, 2) for w in watts], abs=0.0051)
    assert trace_energy(content).kwh == pytest.approx(integrate_power(time_s, power).kwh)


# G-code


@given(st.integers(0, 40), st.integers(0, 23), st.integers(0, 59), st.integers(0, 59))
def test_durations_in_words_and_in_seconds(d: int, h: int, m: int, s: int) -> None:
    total = 86400 * d + 3600 * h + 60 * m + s
    assert parse_duration(f"{d}d {h}h {m}m {s}s") == total == parse_duration(str(total))


@given(
    st.lists(st.tuples(st.integers(0, 2), st.integers(-40, 120)), min_size=1, max_size=40),
    st.integers(1, 7), st.booleans(), st.sampled_from(["\n", "\r\n", "\r"]),
)  # fmt: skip
def test_absolute_and_relative_extrusion_push_the_same_filament(
    steps: list[tuple[int, int]], reset_every: int, numbered: bool, end: str
) -> None:
    assume(any(sum(tenths for t, tenths in steps if t == tool) > 0 for tool in range(3)))
    relative, absolute, position, tool = ["M83"], ["M82", "G92 E0"], 0.0, None
    for i, (wanted, tenths) in enumerate(steps):
        if wanted != tool:
            tool = wanted
            relative.append(f"T{tool}")
            absolute.append(f"T{tool}")
        if i % reset_every == 0:
            position = 0.0
            absolute.append("G92 E0")
        position += tenths / 10
        relative.append(f"G1 X{i} Y{i} E{tenths / 10:.5f}")
        absolute.append(f"G1 X{i} Y{i} E{position:.5f} ; wall")
    if numbered:
        absolute = [f"N{n} {line}" for n, line in enumerate(absolute)]
    a, b = (read_facts([end.join([*lines, ""]).encode()]) for lines in (relative, absolute))
    assert {t.tool: t.length_mm for t in a.tools} == pytest.approx({t.tool: t.length_mm for t in b.tools}, abs=1e-6)
    assert a.tool_changes == b.tool_changes == sum(x != y for (x, _), (y, _) in pairwise(steps))


# cost


costs = st.builds(
    CostInputs, price=st.floats(200, 2000), upgrades=st.floats(0, 300), residual=st.floats(0, 150), life_h=st.floats(500, 9000),
    upkeep_per_h=st.floats(0, 1), parts_per_plate=st.integers(1, 40), part_g=st.floats(1, 300), purge_g=st.floats(0, 80),
    material_per_kg=st.floats(5, 90), energy_kwh=st.floats(0, 5), tariff_per_kwh=st.floats(0, 1), hours=st.floats(0.1, 60),
    labour_min=st.floats(0, 60), wage_per_h=st.floats(0, 80), success=st.floats(0.05, 1), loss_fraction=st.floats(0, 1),
    failed_labour_min=st.floats(0, 60),
)  # fmt: skip
MONEY = ("price", "upgrades", "residual", "upkeep_per_h", "material_per_kg", "tariff_per_kwh", "wage_per_h")


def _with(plate: CostInputs, **changes: float) -> CostInputs:
    return CostInputs(**{f: changes.get(f, getattr(plate, f)) for f in CostInputs.__dataclass_fields__})  # type: ignore[arg-type]


@given(costs, st.floats(0.1, 20))
def test_cost_is_the_same_in_every_currency(plate: CostInputs, rate: float) -> None:
    here = cost_per_good_part(plate)
    there = cost_per_good_part(_with(plate, **{f: rate * getattr(plate, f) for f in MONEY}))
    assert there.total == pytest.approx(rate * here.total)
    assert here.total == pytest.approx(here.material + here.energy + here.machine + here.labour + here.failures)


@given(costs)
def test_parts_of_a_plate_share_what_is_per_plate(plate: CostInputs) -> None:
    one, two = (cost_per_good_part(_with(plate, parts_per_plate=n)) for n in (1, 2))
    assert two.labour == pytest.approx(one.labour / 2)
    assert two.material >= plate.part_g / 1000 * plate.material_per_kg - 1e-9
    assert two.total <= one.total + 1e-9
    assert cost_per_good_part(_with(plate, success=1.0)).failures == pytest.approx(0)


# defects


@given(st.fixed_dictionaries({code: st.integers(0, 5) for code in USUAL}), st.sampled_from(USUAL))
def test_a_worse_defect_never_makes_a_better_specimen(scores: dict[str, int], code: str) -> None:
    quality = specimen_quality(scores)
    assert 0 <= quality.value <= 100
    worst = specimen_quality(scores | {code: 5})
    assert worst.value <= quality.value
    structural = {code for code in USUAL if KNOWN[code].structural}
    assert (quality.rejected_by is not None) == any(scores[c] == 5 for c in structural)
    with pytest.raises(NotDetermined):
        specimen_quality({c: s for c, s in scores.items() if c != code})


# scoring


values = st.one_of(st.none(), st.floats(0, 100))
tables = st.integers(2, 5).flatmap(
    lambda criteria: st.tuples(
        st.lists(st.floats(0.01, 50), min_size=criteria, max_size=criteria),
        st.lists(st.lists(values, min_size=criteria, max_size=criteria), min_size=1, max_size=6),
    )
)


@given(tables, st.floats(0.1, 30), st.data())
def test_totals_hold_whatever_the_missing_figures_turn_out_to_be(
    table: tuple[list[float], list[list[float | None]]], factor: float, data: st.DataObject
) -> None:
    weights, rows = table
    open_totals = weighted_totals(weights, rows)
    for t in open_totals:
        assert -1e-9 <= t.low <= t.high <= 100 + 1e-9
    scaled = weighted_totals([factor * w for w in weights], rows)
    assert [t.low for t in scaled] == pytest.approx([t.low for t in open_totals])
    filled = [[data.draw(st.floats(0, 100)) if v is None else v for v in row] for row in rows]
    settled = weighted_totals(weights, filled)
    for before, after in zip(open_totals, settled, strict=True):
        assert before.low - 1e-9 <= after.low <= before.high + 1e-9
        assert after.low == after.high
        rank = 1 + sum(other.low > after.low + 1e-9 for other in settled)
        assert before.best_rank <= rank <= before.worst_rank


anchors = st.lists(st.floats(0.1, 1000), min_size=2, max_size=5, unique_by=lambda x: round(x, 3))


@given(anchors, st.sampled_from(Shape), st.floats(0.05, 1100), st.floats(0.05, 1100), st.booleans())
def test_value_functions_are_monotone_clamped_and_meet_their_anchors(
    raws: list[float], shape: Shape, x: float, y: float, falling: bool
) -> None:
    raws = sorted(raws)[: 2 if shape in (Shape.LINEAR, Shape.LOGARITHMIC) else 5]
    points = list(
        zip(raws, np.linspace(0, 100, len(raws)) * (-1 if falling else 1) + (100 if falling else 0), strict=True)
    )
    function = value_function(shape, points)
    for raw, value in points:
        assert float(value_of(function, raw)) == pytest.approx(value, abs=1e-6)
    low, high = (float(value_of(function, v)) for v in sorted((x, y)))
    assert (low >= high - 1e-9) if falling else (low <= high + 1e-9)
    assert min(low, high) >= 0
    assert max(low, high) <= 100
    grid = np.array([x, y, *raws])
    assert value_of(function, grid).tolist() == pytest.approx([float(value_of(function, v)) for v in grid], abs=1e-9)


estimates = st.builds(Estimate, st.floats(0, 100), st.floats(0.1, 20), st.sampled_from([2.0, 5.0, math.inf]))
figures = st.one_of(
    estimates, st.builds(Counted, st.integers(0, 3), st.integers(3, 6)), st.just(NotDetermined("a copy"))
)


@given(st.lists(st.tuples(figures, figures), min_size=2, max_size=5), st.floats(0.1, 5), st.integers(0, 1000))
def test_chances_are_chances(rows: list[tuple], heavier: float, seed: int) -> None:
    functions = [linear(0, 100), linear(100, 0)]
    drawn = draw_values(rows, functions, seed, 400)
    chance = rank_chances([1.0, heavier], drawn, seed)
    n = len(rows)
    assert chance.rank.sum(axis=0).tolist() == pytest.approx([1.0] * n)
    assert chance.rank.sum(axis=1).tolist() == pytest.approx([1.0] * n)
    off = ~np.eye(n, dtype=bool)
    pairs = pair_chances([1.0, heavier], drawn, seed)
    assert (pairs.beats + pairs.beats.T)[off].tolist() == pytest.approx([1.0] * (n * n - n))
    assert chance.expected_rank.sum() == pytest.approx(n * (n + 1) / 2)
    # Whoever is ahead of many is far up: the mean place is one more than how many are ahead on average.
    assert chance.expected_rank.tolist() == pytest.approx((1 + pairs.beats.sum(axis=0)).tolist(), abs=0.02)
    assert all(w is None or w.sum() == pytest.approx(1, abs=1e-3) for w in pairs.central_weights)
    again = rank_chances([10.0, 10 * heavier], drawn, seed)
    assert again.rank.ravel() == pytest.approx(chance.rank.ravel(), abs=0.02)


@given(st.lists(st.floats(0, 90), min_size=3, max_size=3), st.floats(5, 10), st.integers(0, 1000))
def test_who_is_better_in_everything_beyond_doubt_comes_first(low: list[float], ahead: float, seed: int) -> None:
    rows = [[Estimate(x, 0.1) for x in low], [Estimate(x + ahead, 0.1) for x in low]]
    drawn = draw_values(rows, [linear(0, 100)] * 3, seed, 300)
    assert rank_chances([1, 2, 3], drawn, seed).rank[1, 0] == 1
    assert pair_chances([1, 2, 3], drawn, seed).beats[1, 0] == 1
