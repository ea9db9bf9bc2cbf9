"""Open data packages: evidence goes out and comes back the same, changes are found, and what is made to do harm is refused."""

import dataclasses
import math
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from crevlo.core.artifacts.shelf import DESIGNS
from crevlo.core.estimate import BadInput, Estimate, NotDetermined
from crevlo.core.evaluations import EVALUATIONS
from crevlo.core.evidence import (
    Basis,
    Evidence,
    Filament,
    Instrument,
    Key,
    Level,
    LineOf,
    Machine,
    Reading,
    Run,
    Specimen,
    Unit,
)
from crevlo.core.figure import central
from crevlo.core.must_haves import MustHave
from crevlo.core.noise import NoiseState
from crevlo.core.package.archive import Package, packed, unpacked
from crevlo.core.package.evidence import Names, evidence_of, tables_of
from crevlo.core.package.layouts import BY_NAME, LAYOUTS
from crevlo.core.package.pooled import Bench, together
from crevlo.core.package.tables import Field, Layout, Type, from_csv, to_csv
from crevlo.core.package.verdicts import Buyer, Figures, Study, figure_rows, must_have_rows, ranking_rows, tell
from crevlo.core.package.verify import verify
from crevlo.core.ranking.field import FieldSpread
from crevlo.core.ranking.gate import GateKind, Judged, Standing
from crevlo.core.ranking.ranking import Criterion
from crevlo.core.ranking.value import Shape, linear
from crevlo.core.success import DEFAULT_COUNTED, Cause, Outcome

FEATURES = {f.code: f for f in DESIGNS["SB"].build().features}
CALIPER: dict[Key, Instrument] = {
    "c": Instrument("C-1", "caliper", 0.01, 0.012, 0.008),
    "m": Instrument("W-1", "power meter", 0.1, 1.0, 0.5),
}


def bench_of(machines: dict[str, float], seed: int, copies: int = 3, apart: float = 0.0) -> Evidence:
    """Machines by name with what they differ in; `apart` is this bench's own way, the same for all of its machines."""
    rng = np.random.default_rng(seed)

    def one(name: str, n: int) -> Run:
        off = 0.02 * machines[name] + 0.05
        readings = tuple(
            Reading(f.code, round(f.nominal + off + float(rng.normal(0, 0.01)), 2), "c") for f in FEATURES.values() if f.kind.value == "length"
        )  # fmt: skip
        failed = n == 0 and machines[name] > 1.5
        return Run(
            "L", f"{name}{n}", Outcome.FAILED if failed else Outcome.DONE, 2 + machines[name] + apart + float(rng.normal(0, 0.05)),
            cause=Cause.MACHINE if failed else None, configuration="c1", stated_s=7000.0, kwh=0.3 + float(rng.normal(0, 0.01)), meter="m",
            levels=(Level(NoiseState.PRINTING, 50 + machines[name], 25.0, 1.0, True, None, None),),
            specimen=None if failed else Specimen(FEATURES, readings, severities={"r": {"stringing": 1 + n % 2, "blobs": 0}}),
        )  # fmt: skip

    return Evidence(
        {n: Machine(tuple(one(n, k) for k in range(copies)), "c1", unit=Unit(paid=300.0 + 10 * v, setup_next_s=(60.0,), sheet={"tools": 1.0}), filament={"L": Filament(1, 20, 1, 0.5)}) for n, v in machines.items()},
        {"L": LineOf("Step block", FEATURES)}, CALIPER, Basis(0.3, 18, 6, 10, 0.5, 4000, 0.05), DEFAULT_COUNTED,
    )  # fmt: skip


def names_of(evidence: Evidence, control: str = "") -> Names:
    return Names(
        {k: (f"M{n}", str(k), k == control) for n, k in enumerate(evidence.machines, 1)},
        {"L": ("Some maker's", "artifacts/SB-1.stl")},
    )


def read(tables) -> dict:
    return {layout.name: from_csv(layout, to_csv(layout, tables.get(layout.name, ()))) for layout in LAYOUTS}


SCHEME = (
    Criterion("off.mean", linear(0.2, 0.0), 30),
    Criterion("time", linear(8, 1), 40),
    Criterion("cost", linear(20, 1), 20),
    Criterion("success", linear(50, 100), 10),
)


def package_of(evidence: Evidence, control: str = "", spread: FieldSpread = FieldSpread.DRAWN) -> Package:
    tables: dict = read(tables_of(evidence, names_of(evidence, control)))
    figures = Figures(evidence_of(tables))
    tables["figures"] = figure_rows(figures)
    names: dict[Key, str] = {f"M{n}": str(k) for n, k in enumerate(evidence.machines, 1) if k != control}
    study = Study(figures, names, SCHEME, 7, 2000, "EUR", spread)
    told_to = (
        Buyer("A school", {"time": 5.0}, 40.0, (MustHave(GateKind.SUCCESS, 0.2), MustHave(GateKind.FIGURE, 1e4, "cost"))),
        Buyer("A van", {}, None, (MustHave(GateKind.LENGTH, 350),), {
            (0, m): Judged(Standing.FAILS, "too wide") if m == "M1" else Judged(Standing.OPEN, "nobody measured it") for m in names}),
    )  # fmt: skip
    buyers, rankings, must_haves = [], [], []
    for buyer in told_to:
        told = tell(study, buyer)
        rankings += ranking_rows(buyer, told)
        must_haves += must_have_rows(buyer, told)
        buyers.append({"name": buyer.name, "weights": dict(buyer.weights), "prints_month": buyer.prints_month,
                       "headline": told.ranking.verdict.headline, "must_haves": [
                           {"kind": g.kind.value, "limit": g.limit, "what": g.what, "at_least": g.at_least} for g in buyer.must_haves]})  # fmt: skip
    tables |= {"rankings": rankings, "must_haves": must_haves, "readings_log": []}
    criteria = [
        {
            "code": c.code,
            "weight": c.weight,
            "shape": Shape.LINEAR.value,
            "points": [list(p) for p in c.function.points],
        }
        for c in SCHEME
    ]
    about = {"seed": 7, "draws": 2000, "currency": "EUR"} | (
        {"field_spread": spread.value} if spread is FieldSpread.DRAWN else {}
    )
    return Package(
        "A bench's lamps", about, {"criteria": criteria, "buyers": buyers}, tables, {"report.md": b"# Words\n"}
    )


# out and back


@given(
    st.dictionaries(st.sampled_from(["Mesa", "Sparrow", "Twin", "Solo"]), st.floats(0, 3), min_size=1),
    st.integers(0, 99),
)
@settings(max_examples=12)
def test_evidence_goes_out_as_tables_and_tells_the_same_when_it_is_back(
    machines: dict[str, float], seed: int
) -> None:
    evidence = bench_of(machines, seed)
    back = evidence_of(read(tables_of(evidence, names_of(evidence))))
    called = {f"M{n}": k for n, k in enumerate(evidence.machines, 1)}
    for evaluation in EVALUATIONS:
        if any(evaluation.takes(line.features) for line in evidence.lines.values()):
            before, after = evaluation.of_machines(evidence).figures, evaluation.of_machines(back).figures
            for code in before:
                for there, here in called.items():
                    one, other = before[code][here], after[code][there]
                    assert type(one) is type(other)
                    if not isinstance(one, NotDetermined):
                        assert central(other) == pytest.approx(central(one), rel=1e-12, abs=1e-12)


def test_every_field_of_the_evidence_has_its_column() -> None:
    """A field that is added to the evidence and not to the tables would be lost without a word."""
    held = {
        Run: BY_NAME["runs"], Level: BY_NAME["levels"], Reading: BY_NAME["readings"], Instrument: BY_NAME["instruments"],
    }  # fmt: skip
    elsewhere = {"levels", "line", "specimen", "job"}
    for kind, layout in held.items():
        columns = {f.name for f in layout.fields}
        assert {f.name for f in dataclasses.fields(kind)} - columns - elsewhere == set(), kind


@given(
    st.lists(
        st.fixed_dictionaries(
            {
                "s": st.text(st.characters(codec="utf-8", exclude_characters="\x00"), max_size=20),
                "n": st.one_of(st.none(), st.floats(-1e14, 1e14)),
                "i": st.one_of(st.none(), st.integers(-(10**14), 10**14)),
                "b": st.one_of(st.none(), st.booleans()),
            }
        ),
        max_size=6,
    )
)
def test_rows_come_back_as_they_went(rows: list[dict]) -> None:
    layout = Layout("t", "", (Field("s", Type.STRING), Field("n", Type.NUMBER), Field("i", Type.INTEGER), Field("b", Type.BOOLEAN)))  # fmt: skip
    assert from_csv(layout, to_csv(layout, rows)) == rows


# worked out again


def test_a_package_holds_and_every_change_of_it_is_found() -> None:
    package = unpacked(packed(package_of(bench_of({"Mesa": 0.2, "Sparrow": 1.0, "Orrin": 2.0}, 3), "Orrin")))
    assert verify(package).holds
    assert verify(package).says.startswith("Worked out again from the package alone: ")

    def changed(table: str, at: int, **cells) -> Package:
        rows = [dict(r) for r in package.tables[table]]
        rows[at] |= cells
        return replace(package, tables={**package.tables, table: rows})

    known = next(n for n, r in enumerate(package.tables["figures"]) if r["quantity"] == "time")
    school, van = package.scheme["buyers"]
    fails = next(n for n, r in enumerate(package.tables["must_haves"]) if r["standing"] == "fails")
    cases = {
        "a figure": changed("figures", known, value=package.tables["figures"][known]["value"] * 1.0001),
        "an interval": changed("figures", known, low=0.0),
        "a reading": changed("readings", 0, value=package.tables["readings"][0]["value"] + 0.3),
        "an hour": changed("runs", 2, hours=1.0),
        "a price": changed("machines", 0, paid=1.0),
        "a failure": changed("runs", 1, outcome="failed", cause="machine"),
        "a place": changed("rankings", 0, rank=2),
        "points": changed("rankings", 0, low=1.0),
        "a must-have said to be met": changed("must_haves", fails, standing="passes"),
        "why it is not": changed("must_haves", fails, reason="too loud"),
        "a limit": replace(package, scheme={**package.scheme, "buyers": [school | {"must_haves": [gate | {"limit": 0.01} for gate in school["must_haves"]]}, van]}),
        "a must-have left away": replace(package, scheme={**package.scheme, "buyers": [school, van | {"must_haves": []}]}),
        "a weight": replace(package, scheme={**package.scheme, "criteria": [{**c, "weight": 1} for c in package.scheme["criteria"]]}),
        "a verdict": replace(package, scheme={**package.scheme, "buyers": [{**b, "headline": "Solo"} for b in package.scheme["buyers"]]}),
        "a row less": replace(package, tables={**package.tables, "figures": package.tables["figures"][1:]}),
        "a row twice": replace(package, tables={**package.tables, "figures": [*package.tables["figures"], package.tables["figures"][0]]}),
        "a buyer unasked": changed("rankings", 0, buyer="Nobody"),
    }  # fmt: skip
    assert [name for name, of in cases.items() if verify(of).holds] == []


def test_a_package_holds_by_the_rule_of_the_day_it_was_published() -> None:
    machines = {f"Bench {n}": 0.01 * n for n in range(1, 7)}
    before, now = (
        package_of(bench_of(machines, 4, apart=0.3), spread=s) for s in (FieldSpread.ONE, FieldSpread.DRAWN)
    )
    for package, format_ in ((before, 2), (now, 3)):
        there = unpacked(packed(package))
        assert there.about["format"] == format_
        assert verify(there).holds
    # Said to be reckoned otherwise than it was, its chances do not come out.
    chances = [[r["first_chance"] or 0.0 for r in p.tables["rankings"]] for p in (before, now)]
    assert max(abs(a - b) for a, b in zip(*chances, strict=True)) > 0.015
    assert not verify(replace(before, about={**before.about, "field_spread": "drawn"})).holds
    with pytest.raises(BadInput, match="does not know"):
        verify(replace(now, about={**now.about, "field_spread": "guessed"}))


def test_what_contradicts_itself_is_refused_in_words() -> None:
    package = package_of(bench_of({"Mesa": 0.2, "Sparrow": 1.0}, 3))

    def with_(table: str, **cells) -> Package:
        return replace(
            package,
            tables={**package.tables, table: [{**package.tables[table][0], **cells}, *package.tables[table][1:]]},
        )

    def gates(*made: dict) -> Package:
        buyers = [b | {"must_haves": list(made)} for b in package.scheme["buyers"]]
        return replace(package, scheme={**package.scheme, "buyers": buyers})

    cases = {
        "no artifact that is listed": with_("runs", line="L9"),
        "a machine “M9” that is not listed": with_("runs", machine="M9"),
        "feature or an instrument that is not listed": with_("readings", feature="Q7"),
        "“melted” is not known under “outcome”": with_("runs", outcome="melted"),
        "a number is missing under “hours”": with_("runs", hours=None),
        "no figure that this program knows": replace(package, scheme={**package.scheme, "criteria": [{**package.scheme["criteria"][0], "code": "charm"}]}),
        "a must-have is of no kind": gates({"kind": "charm", "limit": 1, "what": ""}),
        "“limit” is missing or no number": gates({"kind": "price", "limit": 1e400, "what": ""}),
        "“glow” is no figure": gates({"kind": "figure", "limit": 1, "what": "glow"}),
        "does not say how a machine stands": with_("must_haves", standing="perhaps"),
        "two buyers have the same name": replace(package, scheme={**package.scheme, "buyers": [package.scheme["buyers"][0]] * 2}),
        "“seed” is missing": replace(package, about={"draws": 2000, "currency": "EUR"}),
        "“draws” is missing or no number": replace(package, about={**package.about, "draws": 10**9}),
    }  # fmt: skip
    for words, of in cases.items():
        with pytest.raises(BadInput, match=words):
            verify(of)


def bench(name: str, machines: dict[str, float], seed: int, **more) -> Bench:
    evidence = bench_of(machines, seed, **more)
    return Bench(name, evidence, {n: n for n in machines}, "Orrin", {"L": "Step block (SB-1)"}, "EUR")


def test_benches_are_pooled_against_their_control_whatever_their_own_ways() -> None:
    truth = {"Mesa": 0.5, "Sparrow": 1.2, "Orrin": 1.0}
    # Each bench takes some hours more for all of its machines: that cancels.
    benches = [bench(f"B{n}", truth, n, apart=0.7 * n) for n in range(4)]
    agreed = together(benches)
    rows = {(r.machine, r.quantity.code): r for r in agreed.rows}
    time = rows["Mesa", "time"]
    assert not isinstance(time.mean, NotDetermined)
    assert abs(time.mean.mean.value - -0.5) <= time.mean.mean.expanded
    assert [o.bench for o in time.of] == ["B0", "B1", "B2", "B3"]
    assert "below Orrin" in time.says
    assert all(r.machine != "Orrin" for r in agreed.rows)


@given(st.integers(0, 10_000))
@settings(max_examples=15)
def test_benches_that_differ_are_said_to(seed: int) -> None:
    base = {"Mesa": 0.5, "Orrin": 1.0}
    odd = bench("Odd", {"Mesa": 2.5, "Orrin": 1.0}, seed)
    agreed = together([bench("A", base, seed + 1), bench("B", base, seed + 2), odd])
    time = next(r for r in agreed.rows if r.quantity.code == "time")
    assert not isinstance(time.mean, NotDetermined)
    assert time.mean.tau > 0.3
    assert time.mean.i2_percent > 50
    assert "differ beyond their errors" in time.says
    apart = [o.apart.value for o in time.of if isinstance(o.apart, Estimate)]
    assert min(apart) <= time.mean.mean.value <= max(apart)
    assert math.isfinite(time.mean.mean.expanded)


def test_benches_without_a_common_ground_are_not_pooled() -> None:
    a = bench("A", {"Mesa": 0.5, "Orrin": 1.0}, 1)
    for wrong, words in (
        ([a], "two benches"),
        ([a, replace(a, name="B", control="Mesa")], "different controls"),
        ([a, replace(a, name="B", control="")], "B has no control"),
        ([a, replace(a, name="B", artifacts={"L": "Comb (CC-1)"})], "no artifact in common"),
    ):
        with pytest.raises(BadInput, match=words):
            together(wrong)
    # Money of two currencies is not taken together.
    agreed = together([a, replace(bench("B", {"Mesa": 0.5, "Orrin": 1.0}, 2), currency="CHF")])
    assert agreed.rows
    assert not [r for r in agreed.rows if r.quantity.unit == "money"]
