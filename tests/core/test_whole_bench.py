"""Laws of what a whole bench tells: what must not matter does not, and what must matter does, whatever was measured."""

import random
from collections.abc import Callable, Iterable, Mapping
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import settings as limits
from hypothesis import strategies as st

from crevlo.core.estimate import Estimate, NotDetermined, difference
from crevlo.core.evaluations import EVALUATION_OF, QUANTITIES
from crevlo.core.evidence import Evidence, Instrument, Key, Machine, Reading, Run, Specimen
from crevlo.core.figure import Figure, as_estimate, difference_interval, interval
from crevlo.core.success import Outcome
from tests.truth.coverage import figures_of, stated_of
from tests.truth.study import BASIS, Setting, study

SMALL = Setting("small", machines=3, copies=(2, 3), repeats=2, tries=3, artifacts=("SB",))
# What is of one machine alone; sizes borrow the spread between copies from the field.
ITS_OWN = ("time", "energy", "noise", "price", "success")
SIZES = ("scale.x", "scale.y", "wall.offset", "off.mean")
seeds = st.integers(0, 10_000)
few = limits(max_examples=3)


def told(evidence: Evidence, codes: Iterable[str] = QUANTITIES) -> dict[str, dict[Key, Figure]]:
    found = figures_of(evidence, codes)
    return {code: dict(zip(evidence.machines, row, strict=True)) for code, row in found.items()}


def alike(a: Figure, b: Figure) -> bool:
    """Whether two figures say the same, to what adding up in another order leaves."""
    if isinstance(a, NotDetermined) or isinstance(b, NotDetermined):
        return a == b
    return stated_of(a) == pytest.approx(stated_of(b), rel=1e-7, abs=1e-9) and interval(a) == pytest.approx(
        interval(b), rel=1e-5, abs=1e-7
    )


def same(
    before: Mapping[str, Mapping[Key, Figure]], after: Mapping[str, Mapping[Key, Figure]], of: Callable[[Key], Key]
) -> list[str]:
    """Codes of figures that are others now; `of` gives what a machine is called now."""
    return [
        code
        for code, row in before.items()
        if not all(alike(figure, after[code][of(m)]) for m, figure in row.items())
    ]


def each_run(machine: Machine, change: Callable[[Run], Run]) -> Machine:
    return replace(machine, runs=tuple(map(change, machine.runs)))


def each_machine(evidence: Evidence, change: Callable[[Machine], Machine]) -> Evidence:
    return replace(evidence, machines={key: change(machine) for key, machine in evidence.machines.items()})


@few
@given(seeds, st.randoms(use_true_random=False))
def test_no_order_matters_and_no_name(seed: int, chance: random.Random) -> None:
    evidence, _ = study(SMALL, seed)

    def shuffled(machine: Machine) -> Machine:
        # A job's tries keep their order; which job comes first is nothing.
        jobs: dict[Key, list[Run]] = {}
        for run in machine.runs:
            jobs.setdefault(run.job, []).append(run)
        order = chance.sample(sorted(jobs, key=str), len(jobs))
        return replace(machine, runs=tuple(run for job in order for run in jobs[job]))

    names = {key: f"unit {key} of a shop" for key in evidence.machines}
    order = chance.sample(list(names), len(names))
    other = replace(evidence, machines={names[key]: shuffled(evidence.machines[key]) for key in order})
    assert same(told(evidence), told(other), names.__getitem__) == []


@few
@given(seeds)
def test_twins_have_the_same_figures_and_are_never_told_apart(seed: int) -> None:
    evidence, _ = study(SMALL, seed)
    twins = replace(evidence, machines={**evidence.machines, "twin": evidence.machines[0]})
    for code, row in told(twins).items():
        assert alike(row[0], row["twin"]), code
        a, b = row[0], row["twin"]
        if isinstance(a, Estimate) and isinstance(b, Estimate):
            low, high = difference_interval(a, b)
            assert low <= 0 <= high, code


@few
@given(seeds)
def test_what_is_a_machines_own_does_not_follow_the_others(seed: int) -> None:
    evidence, _ = study(SMALL, seed)
    alone = replace(evidence, machines={0: evidence.machines[0]})
    one, all_of_them = told(alone, ITS_OWN), told(evidence, ITS_OWN)
    for code in ITS_OWN:
        a, b = one[code][0], all_of_them[code][0]
        assert not isinstance(a, NotDetermined)
        assert not isinstance(b, NotDetermined)
        assert stated_of(a) == pytest.approx(stated_of(b)), code


@few
@given(seeds, st.floats(1.1, 100))
def test_another_currency_changes_what_is_money_and_nothing_else(seed: int, rate: float) -> None:
    evidence, _ = study(SMALL, seed)

    def exchanged(machine: Machine) -> Machine:
        assert not isinstance(machine.unit.paid, NotDetermined)
        filament = {}
        for line, f in machine.filament.items():
            assert not isinstance(f.money, NotDetermined)
            filament[line] = replace(f, money=f.money * rate)
        return replace(machine, unit=replace(machine.unit, paid=machine.unit.paid * rate), filament=filament)

    basis = replace(
        BASIS, tariff_per_kwh=BASIS.tariff_per_kwh * rate, wage_per_h=BASIS.wage_per_h * rate,
        upkeep_per_h=BASIS.upkeep_per_h * rate,
    )  # fmt: skip
    before, after = told(evidence), told(replace(each_machine(evidence, exchanged), basis=basis))
    changed = set(same(before, after, lambda key: key))
    assert {"cost", "price"} <= changed <= {code for code, q in QUANTITIES.items() if q.unit == "money"}
    for code in ("cost", "price"):
        for key, figure in before[code].items():
            now = after[code][key]
            assert not isinstance(figure, NotDetermined)
            assert not isinstance(now, NotDetermined)
            assert stated_of(now) == pytest.approx(rate * stated_of(figure), rel=1e-6), code


@few
@given(seeds, st.floats(1.5, 5))
def test_a_worse_calibration_never_makes_a_figure_surer(seed: int, worse: float) -> None:
    evidence, _ = study(SMALL, seed)
    instruments = {key: replace(i, u_calibration=i.u_calibration * worse) for key, i in evidence.instruments.items()}
    # A fit of sizes may find that with a caliper further off everything agrees: it is no law there.
    codes = ("hole.offset", "noise", "energy")
    before, after = told(evidence, codes), told(replace(evidence, instruments=instruments), codes)
    for code in codes:
        for key, figure in before[code].items():
            now = after[code][key]
            if isinstance(figure, NotDetermined) or isinstance(now, NotDetermined):
                assert isinstance(figure, NotDetermined) == isinstance(now, NotDetermined), code
                continue
            # Of u and not of U: what is known better than from few readings takes their k down.
            assert as_estimate(now).u >= as_estimate(figure).u * (1 - 1e-9), code


@few
@given(seeds)
def test_two_calibrations_part_what_one_had_together(seed: int) -> None:
    """Measured with one caliper before and after it was calibrated again, machines share no error of it any more."""
    evidence, _ = study(SMALL, seed)
    caliper = evidence.instruments["C"]
    again = Instrument(
        "C-1 (from 20 Nov 2026)", caliper.kind, caliper.resolution, caliper.u_calibration, caliper.repeatability
    )

    def read_again(run: Run) -> Run:
        if run.specimen is None:
            return run
        readings = tuple(replace(r, instrument=("C", "again")) for r in run.specimen.readings)
        return replace(run, specimen=replace(run.specimen, readings=readings))

    machines = {**evidence.machines, 1: each_run(evidence.machines[1], read_again)}
    parted = replace(
        evidence, machines=machines, instruments={**evidence.instruments, ("C", "again"): again},
    )  # fmt: skip
    codes = ("off.mean", "hole.offset")
    before, after = told(evidence, codes), told(parted, codes)
    for code in codes:
        together = [as_estimate(before[code][m]) for m in (0, 1)]  # type: ignore[arg-type]
        apart = [as_estimate(after[code][m]) for m in (0, 1)]  # type: ignore[arg-type]
        assert apart[1].value == pytest.approx(together[1].value)
        assert apart[1].u == pytest.approx(together[1].u)
        assert set(together[0].shared) == set(together[1].shared)
        assert not set(apart[0].shared) & set(apart[1].shared)
    # Holes of both err the same way with the caliper; what is off in the mean may err either way.
    assert difference(*apart).u > difference(*together).u


@few
@given(seeds, st.sampled_from(["readings", "severities", "levels", "kwh"]))
def test_what_was_not_taken_is_asked_for_and_takes_nothing_else_with_it(seed: int, left_out: str) -> None:
    evidence, _ = study(SMALL, seed)

    def without(run: Run) -> Run:
        specimen: Specimen | None = run.specimen
        if left_out == "levels":
            return replace(run, levels=())
        if left_out == "kwh":
            return replace(run, kwh=None)
        if specimen is None:
            return run
        empty = replace(specimen, readings=()) if left_out == "readings" else replace(specimen, severities={})
        return replace(run, specimen=empty)

    before, after = told(evidence), told(each_machine(evidence, lambda m: each_run(m, without)))
    gone = {
        code for code, row in after.items()
        if isinstance(row[0], NotDetermined) and not isinstance(before[code][0], NotDetermined)
    }  # fmt: skip
    held = {
        "readings": {"scale.x", "off.mean"},
        "severities": {"defects"},
        "levels": {"noise"},
        "kwh": {"energy", "cost"},
    }
    assert held[left_out] <= gone
    for codes in (codes for what, codes in held.items() if what != left_out):
        assert not gone & (codes - {"cost"})
    for code in gone:
        missing = after[code][0]
        assert isinstance(missing, NotDetermined)
        assert missing.needs.strip(), code


def test_of_nothing_nothing_is_told_and_every_figure_says_what_it_waits_for() -> None:
    evidence, _ = study(SMALL, 1)
    bare = each_machine(
        evidence, lambda m: Machine((), None, (), replace(m.unit, paid=NotDetermined("the price paid")))
    )
    for code, row in told(bare).items():
        for figure in row.values():
            assert isinstance(figure, NotDetermined), code
            assert figure.needs.strip(), code
    nobody = replace(bare, machines={})
    assert all(EVALUATION_OF[code].of_machines(nobody).figures[code] == {} for code in QUANTITIES)


@few
@given(seeds)
def test_a_failed_try_more_never_raises_success_nor_lowers_cost(seed: int) -> None:
    evidence, _ = study(SMALL, seed)
    machine = evidence.machines[0]
    failed = next((r for r in machine.runs if r.outcome is Outcome.FAILED), None)
    if failed is None:
        failed = replace(machine.runs[0], outcome=Outcome.FAILED, cause=next(iter(evidence.counted)), specimen=None)
    worse = replace(machine, runs=(*machine.runs, replace(failed, job="one more")))
    codes = ("success", "cost")
    before, after = told(evidence, codes), told(replace(evidence, machines={**evidence.machines, 0: worse}), codes)
    for code, better in (("success", -1), ("cost", 1)):
        a, b = before[code][0], after[code][0]
        assert not isinstance(a, NotDetermined)
        assert not isinstance(b, NotDetermined)
        assert better * stated_of(b) >= better * stated_of(a) - 1e-9, code


def test_a_reading_that_says_nothing_is_no_reading() -> None:
    evidence, _ = study(SMALL, 3)

    def with_blanks(run: Run) -> Run:
        if run.specimen is None:
            return run
        code = run.specimen.readings[0].feature if run.specimen.readings else None
        blanks = (Reading(code, None, "C"),) if code else ()
        return replace(run, specimen=replace(run.specimen, readings=(*run.specimen.readings, *blanks)))

    after = told(each_machine(evidence, lambda m: each_run(m, with_blanks)), SIZES)
    assert same(told(evidence, SIZES), after, lambda key: key) == []
