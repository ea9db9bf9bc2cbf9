"""Whether a package says what its own data say: every published figure and verdict worked out again."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any

from crevlo.core.estimate import BadInput
from crevlo.core.evaluations import QUANTITIES
from crevlo.core.evidence import Key
from crevlo.core.must_haves import RESTS_ON_FIGURES, MustHave
from crevlo.core.package.archive import Package
from crevlo.core.package.evidence import evidence_of
from crevlo.core.package.tables import Cell, Row
from crevlo.core.package.verdicts import (
    Buyer,
    Figures,
    Stated,
    Study,
    figure_rows,
    must_have_rows,
    ranking_rows,
    tell,
)
from crevlo.core.ranking.field import FieldSpread
from crevlo.core.ranking.gate import GateKind, Judged, Standing
from crevlo.core.ranking.ranking import Criterion
from crevlo.core.ranking.value import Shape, value_function

# Another machine adds in another order: so far two sums of the same may lie apart.
_RELATIVE, _ABSOLUTE = 1e-6, 1e-9
# Draws of another version of the numerical library may fall otherwise; so far a chance may move.
_CHANCE = 0.01
MOST_SAID = 200
_MOST_DRAWS, _MOST_MACHINES, _MOST_CRITERIA, _MOST_BUYERS, _MOST_GATES = 100_000, 500, 100, 100, 100


@dataclass(frozen=True, slots=True)
class Verification:
    """`differences` say what was published otherwise than it comes out, at most MOST_SAID of all `differ`; `headlines` are the
    verdicts that come out, by buyer, and `stated` counts the must-haves that the package states and no figure tells."""

    figures: int
    rankings: int
    differ: int
    differences: tuple[str, ...]
    headlines: Mapping[str, str]
    stated: int

    @property
    def holds(self) -> bool:
        return self.differ == 0

    @property
    def says(self) -> str:
        buyers = "1 buyer was" if self.rankings == 1 else f"{self.rankings} buyers were"
        checked = f"Worked out again from the package alone: {self.figures} figures and what {buyers} told."
        taken = f" {self.stated} must-haves that no figure tells are taken as stated." if self.stated else ""
        if self.holds:
            return f"{checked}{taken} All are as published."
        return f"{checked}{taken} {self.differ} {'differs' if self.differ == 1 else 'differ'}."


@dataclass(frozen=True, slots=True)
class Published:
    """A package made ready: the study that its data tell, and by buyer what it was published to say."""

    study: Study
    buyers: tuple[Buyer, ...]
    headlines: Mapping[str, str]


def published(package: Package) -> Published:
    """Raises BadInput where the package lacks what a ranking needs."""
    tables = package.tables
    machines = tables["machines"]
    if not 1 <= len(machines) <= _MOST_MACHINES:
        raise BadInput(f"a package is of 1 to {_MOST_MACHINES} machines")
    scheme, about = package.scheme, package.about
    criteria, buyers = _list(scheme, "criteria", _MOST_CRITERIA), _list(scheme, "buyers", _MOST_BUYERS)
    study = Study(
        Figures(evidence_of(tables)), {str(m["machine"]): str(m["name"]) for m in machines if not m["control"]},
        tuple(_criterion(c) for c in criteria), int(_number(about, "seed", -(2**63), 2**63)),
        int(_number(about, "draws", 100, _MOST_DRAWS)), _text(about, "currency"), _spread(about),
    )  # fmt: skip
    stated: dict[str, dict[tuple[int, Key], Judged]] = {}
    for row in tables.get("must_haves", ()):
        number = row["number"]
        if not isinstance(number, int) or row["standing"] not in list(Standing):
            raise BadInput("must_haves.csv does not say how a machine stands at which must-have")
        judged = Judged(Standing(str(row["standing"])), str(row["reason"]))
        stated.setdefault(str(row["buyer"]), {})[number, str(row["machine"])] = judged
    made = tuple(_buyer(b, stated, study.scheme) for b in buyers)
    if "must_haves" not in tables:
        made = tuple(replace(b, left_out=_left_out(b, tables["rankings"])) for b in made)
    if len({b.name for b in made}) < len(made):
        raise BadInput("two buyers have the same name")
    return Published(study, made, {b.name: _text(raw, "headline") for b, raw in zip(made, buyers, strict=True)})


def _spread(about: Mapping[str, Any]) -> FieldSpread:
    """As the package was reckoned; formats 1 and 2 do not say it."""
    said = about.get("field_spread", FieldSpread.ONE.value)
    if said not in list(FieldSpread):
        raise BadInput("the package was reckoned by a spread of the field that this program does not know")
    return FieldSpread(said)


def _left_out(buyer: Buyer, rankings: Sequence[Row]) -> dict[Key, str]:
    """By what a package of format 1 states; what a price limit says anew is left to it."""
    priced = any(g.kind is GateKind.PRICE for g in buyer.must_haves)
    found: dict[Key, str] = {}
    for row in (r for r in rankings if r["buyer"] == buyer.name and r["left_out"]):
        reasons = str(row["left_out"]).split("; ")
        kept = [r for r in reasons if not (priced and r.startswith("all in "))]
        if kept:
            found[str(row["machine"])] = "; ".join(kept)
    return found


def verify(package: Package) -> Verification:
    """Works out every figure and every ranking again and holds them against what the package says.

    Raises BadInput for data that cannot be evaluated.
    """
    try:
        return _verify(package)
    except BadInput:
        raise
    except (ArithmeticError, ValueError, LookupError, TypeError, RuntimeError) as wrong:
        raise BadInput(f"the data of the package cannot be evaluated ({type(wrong).__name__})") from wrong


def _verify(package: Package) -> Verification:
    told_by = published(package)
    study = told_by.study
    differences: list[str] = []
    called = {str(m["machine"]): str(m["name"]) for m in package.tables["machines"]}
    made = figure_rows(study.figures)
    _hold(
        package.tables["figures"], made, ("machine", "quantity"), {"value": None, "low": None, "high": None, "needs": None},
        lambda r: f"{called.get(str(r['machine']), r['machine'])}, {_named(str(r['quantity']))}", differences,
    )  # fmt: skip
    rankings: list[Row] = []
    must_haves: list[Row] = []
    headlines: dict[str, str] = {}
    for buyer in told_by.buyers:
        told = tell(study, buyer)
        rankings += ranking_rows(buyer, told)
        must_haves += must_have_rows(buyer, told)
        headlines[buyer.name] = told.ranking.verdict.headline
        stated = told_by.headlines[buyer.name]
        if stated != headlines[buyer.name]:
            differences.append(
                f"For {buyer.name} the verdict is published as “{stated}” and comes out as “{headlines[buyer.name]}”."
            )
    _hold(
        package.tables.get("must_haves", ()), must_haves, ("buyer", "number", "machine"), {"standing": None, "reason": None},
        lambda r: f"For {r['buyer']}, {called.get(str(r['machine']), r['machine'])} at must-have {r['number']}", differences,
    )  # fmt: skip
    _hold(
        package.tables["rankings"], rankings, ("buyer", "machine"),
        {"rank": None, "low": None, "high": None, "first_chance": _CHANCE, "left_out": None},
        lambda r: f"For {r['buyer']}, {called.get(str(r['machine']), r['machine'])}", differences,
    )  # fmt: skip
    taken = sum(g.kind not in RESTS_ON_FIGURES for b in told_by.buyers for g in b.must_haves)
    taken += sum(isinstance(g, str) for b in package.scheme["buyers"] for g in b["must_haves"])
    return Verification(
        len(made), len(told_by.buyers), len(differences), tuple(differences[:MOST_SAID]), headlines, taken
    )


def _hold(
    published: Sequence[Row],
    made: Sequence[Row],
    keys: tuple[str, ...],
    columns: Mapping[str, float | None],
    name: Callable[[Row], str],
    differences: list[str],
) -> None:
    def key(row: Row) -> tuple[str, ...]:
        return tuple(str(row[k]) for k in keys)

    there: dict[tuple[str, ...], Row] = {}
    for row in published:
        if key(row) in there:
            differences.append(f"{name(row)} is published twice.")
        there[key(row)] = row
    for row in made:
        stated = there.pop(key(row), None)
        if stated is None:
            differences.append(f"{name(row)} is not published.")
            continue
        for column, tolerance in columns.items():
            if not _alike(stated[column], row[column], tolerance):
                differences.append(
                    f"{name(row)}: {column.replace('_', ' ')} is published as {_say(stated[column])} and comes out as {_say(row[column])}."
                )
    differences += [f"{name(row)} is published and does not follow from the data." for row in there.values()]


def _alike(stated: Cell, made: Cell, tolerance: float | None) -> bool:
    if isinstance(stated, str) or isinstance(made, str) or stated is None or made is None:
        return stated == made
    apart = abs(float(stated) - float(made))
    return apart <= (tolerance if tolerance is not None else _ABSOLUTE + _RELATIVE * abs(float(made)))


def _say(value: Cell) -> str:
    if value is None or value == "":
        return "nothing"
    return f"{value:.6g}" if isinstance(value, float) else f"“{value}”" if isinstance(value, str) else str(value)


def _named(code: str) -> str:
    return QUANTITIES[code].name.lower() if code in QUANTITIES else code


def _list(of: Mapping[str, Any], name: str, most: int) -> list[Mapping[str, Any]]:
    found = of.get(name)
    if not isinstance(found, list) or not 1 <= len(found) <= most or not all(isinstance(x, dict) for x in found):
        raise BadInput(f"scheme.json needs 1 to {most} {name}")
    return found


def _text(of: Mapping[str, Any], name: str) -> str:
    value = of.get(name)
    if not isinstance(value, str) or len(value) > 2000:
        raise BadInput(f"“{name}” is missing or no text")
    return value


def _number(of: Mapping[str, Any], name: str, least: float, most: float) -> float:
    value = of.get(name)
    if isinstance(value, bool) or not isinstance(value, int | float) or not least <= value <= most:
        raise BadInput(f"“{name}” is missing or no number from {least:g} to {most:g}")
    return value


def _criterion(of: Mapping[str, Any]) -> Criterion:
    code, shape, points = _text(of, "code"), _text(of, "shape"), of.get("points")
    if code not in QUANTITIES:
        raise BadInput(f"“{code[:40]}” is no figure that this program knows")
    if shape not in list(Shape) or not isinstance(points, list) or not 2 <= len(points) <= 50:
        raise BadInput(f"how {code} becomes points is not said")
    pairs = []
    for p in points:
        if not isinstance(p, list) or len(p) != 2 or not all(isinstance(x, int | float) and abs(x) < 1e12 for x in p):
            raise BadInput(f"how {code} becomes points is not said")
        pairs.append((float(p[0]), float(p[1])))
    return Criterion(code, value_function(Shape(shape), pairs), _number(of, "weight", 0, 1e6))


def _buyer(of: Mapping[str, Any], stated: Mapping[str, Stated], scheme: tuple[Criterion, ...]) -> Buyer:
    weights, gates = of.get("weights"), of.get("must_haves")
    if not isinstance(weights, dict) or not isinstance(gates, list) or len(gates) > _MOST_GATES:
        raise BadInput("the weights or must-haves of a buyer are missing")
    codes = {c.code for c in scheme}
    kept = {str(code): _number(weights, code, 0, 1e6) for code in weights if code in codes}
    month = None if of.get("prints_month") is None else _number(of, "prints_month", 1e-3, 1e6)
    name = _text(of, "name")
    # Of format 1 they are words alone.
    known = tuple(_must_have(g) for g in gates if not isinstance(g, str))
    return Buyer(name, kept, month, known, stated.get(name, {}))


def _must_have(of: Any) -> MustHave:
    if not isinstance(of, dict) or of.get("kind") not in list(GateKind):
        raise BadInput("a must-have is of no kind that this program knows")
    made = MustHave(GateKind(of["kind"]), _number(of, "limit", 0, 1e12), _text(of, "what"), bool(of.get("at_least")))
    if made.kind is GateKind.FIGURE and made.what not in QUANTITIES:
        raise BadInput(f"“{made.what[:40]}” is no figure that this program knows")
    return made
