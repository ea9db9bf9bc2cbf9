"""What one line alone tells: its own prints, with a spread borrowed where nobody printed it twice."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.evaluations.duration import DURATION, TIME
from crevlo.core.evaluations.success import FIRST, SUCCESS
from crevlo.core.evidence import Basis, Evidence, Filament, LineOf, Machine, Run
from crevlo.core.figure import Counted
from crevlo.core.on_line import evidence_on, figures_on_line
from crevlo.core.success import Cause, Outcome

BASIS = Basis(0.3, 18, 6, 10, 0.5, 4000, 0.05)
HOURS = st.lists(st.floats(0.2, 9.0), min_size=1, max_size=4)


def runs(line: str, hours: list[float], failed: int = 0) -> tuple[Run, ...]:
    good = tuple(Run(line, f"{line}{n}", Outcome.DONE, h) for n, h in enumerate(hours))
    bad = tuple(Run(line, f"{line}f{n}", Outcome.FAILED, 0.1, Cause.MACHINE) for n in range(failed))
    return (*good, *bad)


def bench(**machines: tuple[Run, ...]) -> Evidence:
    filament = {"a": Filament(1, 10, 0, 0.2), "b": Filament(1, 20, 0, 0.4)}
    return Evidence(
        machines={name: Machine(runs=of, filament=filament) for name, of in machines.items()},
        lines={"a": LineOf("Step block", {}), "b": LineOf("Rack arm", {})}, instruments={}, basis=BASIS,
        counted=frozenset({Cause.MACHINE}),
    )  # fmt: skip


def test_only_the_prints_of_the_line_are_left() -> None:
    whole = bench(m=(*runs("a", [1, 2]), *runs("b", [5])), n=runs("b", [6], failed=1))
    on = evidence_on(whole, ["a"])
    assert {r.line for m in on.machines.values() for r in m.runs} == {"a"}
    assert list(on.lines) == ["a"]
    assert {k for m in on.machines.values() for k in m.filament} == {"a"}
    success = figures_on_line(SUCCESS, evidence_on(whole, ["b"]), {}).figures[FIRST.code]
    assert success == {"m": Counted(1, 1), "n": Counted(1, 2)}


@given(HOURS, HOURS)
def test_a_line_of_one_material_is_the_mean_of_its_copies(mine: list[float], others: list[float]) -> None:
    whole = bench(m=(*runs("a", mine), *runs("b", others)), n=runs("a", [1.0, 1.5]))
    made = figures_on_line(DURATION, evidence_on(whole, ["a"]), DURATION.of_machines(whole).lines)
    figure = made.figures[TIME.code]["m"]
    assert isinstance(figure, Estimate)
    assert figure.value == pytest.approx(math.fsum(mine) / len(mine))
    assert not made.bare


def test_what_nobody_printed_twice_borrows_or_stays_bare() -> None:
    once = bench(m=(*runs("a", [1.0]), *runs("b", [4.0, 4.4])), n=(*runs("a", [2.0]), *runs("b", [5.0, 5.4])))
    borrowed = figures_on_line(DURATION, evidence_on(once, ["a"]), DURATION.of_machines(once).lines)
    figure = borrowed.figures[TIME.code]["m"]
    assert isinstance(figure, Estimate)
    assert figure.value == 1.0
    # As wide as the copies of the other line are apart.
    assert figure.own == pytest.approx(math.sqrt(0.08), rel=1e-6)
    alone = bench(m=runs("a", [1.0]), n=runs("a", [2.0]))
    bare = figures_on_line(DURATION, evidence_on(alone, ["a"]), DURATION.of_machines(alone).lines)
    assert isinstance(bare.figures[TIME.code]["m"], NotDetermined)
    assert bare.bare[TIME.code] == {"m": 1.0, "n": 2.0}
