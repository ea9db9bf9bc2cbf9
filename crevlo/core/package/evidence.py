"""A study's evidence as plain tables, and back."""

import math
from collections import defaultdict
from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass, fields
from enum import StrEnum
from typing import TypeVar, cast

from crevlo.core.defects import Defect
from crevlo.core.estimate import BadInput, NotDetermined
from crevlo.core.evidence import (
    Basis,
    Duel,
    Evidence,
    Filament,
    Instrument,
    Judgement,
    Key,
    Level,
    LineOf,
    Machine,
    Reading,
    Run,
    Specimen,
    Unit,
)
from crevlo.core.features.feature import Feature, Kind
from crevlo.core.features.kind import Judged, Takes, Verdict
from crevlo.core.noise import NoiseState
from crevlo.core.package.tables import Cell, Row, Tables
from crevlo.core.raters.duels import Won
from crevlo.core.success import Cause, Outcome

_TIMES = ("setup_first_s", "setup_next_s", "warm_up_s")
_COUNTED = "counts: "
_E = TypeVar("_E", bound=StrEnum)


@dataclass(frozen=True, slots=True)
class Names:
    """How keys of the evidence are called in the package."""

    machines: Mapping[Key, tuple[str, str, bool]]
    """By key: what it is called here, its name, whether it is the control."""
    materials: Mapping[Key, tuple[str, str]]
    """By line: its material in words, and the file of its mesh."""


def tables_of(evidence: Evidence, names: Names) -> dict[str, list[Row]]:
    """Evidence as rows by table. Lines, jobs, runs, specimens and raters are numbered, so that no id of a database leaves."""
    numbered = _Numbers()
    machine_of = {key: called for key, (called, _, _) in names.machines.items()}
    lines = {key: f"L{n}" for n, key in enumerate(evidence.lines, 1)}
    meters = {key: f"I{n}" for n, key in enumerate(evidence.instruments, 1)}
    found: dict[str, list[Row]] = defaultdict(list)
    for key, line in evidence.lines.items():
        material, file = names.materials.get(key, ("", ""))
        found["artifacts"].append({"line": lines[key], "name": line.name, "material": material, "file": file})
        found["features"] += [_feature(lines[key], f) for f in line.features.values()]
    for key, i in evidence.instruments.items():
        found["instruments"].append({
            "instrument": meters[key], "code": i.code, "kind": str(i.kind), "resolution": i.resolution, "u_calibration": i.u_calibration,
            "repeatability": i.repeatability, "repeatability_dof": i.repeatability_dof if math.isfinite(i.repeatability_dof) else None,
            "hands": numbered("P", i.hands) if i.hands else "", "u_hands": i.u_hands})  # fmt: skip
    own: tuple[Defect, ...] = ()
    for key, machine in evidence.machines.items():
        mine = machine_of[key]
        found["machines"].append(_machine(mine, names.machines[key], machine, numbered))
        found["amounts"] += _amounts(mine, machine.unit)
        found["levels"] += [_level(mine, "", level, meters) for level in machine.idle]
        for line_key, f in machine.filament.items():
            if line_key in lines:
                money, needs = _either(f.money)
                found["filament"].append({
                    "machine": mine, "line": lines[line_key], "parts": f.parts, "part_g": f.part_g, "waste_g": f.waste_g,
                    "money": money, "money_needs": needs, "changes": f.changes, "change_s": f.change_s})  # fmt: skip
        for run in machine.runs:
            code = f"R{len(found['runs']) + 1}"
            specimen = "" if run.specimen is None else f"S{code[1:]}"
            found["runs"].append({
                "run": code, "machine": mine, "line": lines[run.line], "job": numbered("J", run.job), "outcome": run.outcome.value,
                "hours": run.hours, "cause": run.cause.value if run.cause else "", "rejected": run.rejected,
                "configuration": numbered("C", run.configuration), "stated_s": run.stated_s, "kwh": run.kwh, "u_kwh": run.u_kwh,
                "meter": meters.get(run.meter, ""), "parts": run.parts, "specimen": specimen})  # fmt: skip
            found["levels"] += [_level(mine, code, level, meters) for level in run.levels]
            if run.specimen is not None:
                own = own or run.specimen.own_defects
                _specimen(found, specimen, run.specimen, meters, numbered)
    found["own_defects"] = [
        {"defect": d.code, "name": d.name, "weight": d.weight, "structural": d.structural, "look": d.look,
         **{f"anchor{n}": words for n, words in enumerate(d.anchors)}}
        for d in own
    ]  # fmt: skip
    found["duels"] = [
        {"line": lines[d.line], "first": machine_of[d.first], "second": machine_of[d.second], "won": d.won.value}
        for d in evidence.duels
        if d.line in lines
    ]
    amounts: dict[str, Cell] = {
        f.name: getattr(evidence.basis, f.name) for f in fields(Basis) if f.name != "prints_month"
    }
    amounts |= {_COUNTED + cause.value: 1.0 for cause in sorted(evidence.counted)}
    found["basis"] = [{"name": name, "value": value} for name, value in amounts.items()]
    return dict(found)


class _Numbers:
    """Names for keys in the order in which they are met."""

    def __init__(self) -> None:
        self._known: dict[str, dict[Key, str]] = defaultdict(dict)

    def __call__(self, letter: str, key: Key) -> str:
        if key is None:
            return ""
        known = self._known[letter]
        return known.setdefault(key, f"{letter}{len(known) + 1}")


def _either(value: float | NotDetermined) -> tuple[float | None, str]:
    return (None, value.needs) if isinstance(value, NotDetermined) else (value, "")


def _feature(line: str, f: Feature) -> Row:
    ends = dict(zip(("x0", "y0", "z0", "x1", "y1", "z1"), [*f.ends[0], *f.ends[1]], strict=True)) if f.ends else {}
    return {
        "line": line, "feature": f.code, "kind": f.kind.value, "axis": f.axis, "sense": f.sense, "nominal": f.nominal, "unit": f.unit,
        "method": f.method, "level": f.level, **ends,
    }  # fmt: skip


def _machine(called: str, names: tuple[str, str, bool], machine: Machine, numbered: _Numbers) -> Row:
    unit = machine.unit
    (paid, paid_needs), (base, base_needs) = _either(unit.paid), _either(unit.worth_base)
    return {
        "machine": called, "name": names[1], "control": names[2], "main": numbered("C", machine.main), "paid": paid,
        "paid_needs": paid_needs, "upgrades": unit.upgrades, "residual": unit.residual, "upkeep_per_h": unit.upkeep_per_h, "worth_base": base,
        "worth_base_needs": base_needs,
        "worth_needs": unit.worth_present.needs if isinstance(unit.worth_present, NotDetermined) else "",
    }  # fmt: skip


def _amounts(machine: str, unit: Unit) -> list[Row]:
    rows = [(name, "", v) for name in _TIMES for v in getattr(unit, name)]
    if not isinstance(unit.worth_present, NotDetermined):
        rows += [("worth", "", v) for v in unit.worth_present]
    rows += [("said", rubric, float(v)) for rubric, given in unit.said.items() for v in given]
    rows += [("sheet", line, v) for line, v in unit.sheet.items()]
    return [{"machine": machine, "what": what, "of": of, "value": value} for what, of, value in rows]


def _level(machine: str, run: str, level: Level, meters: Mapping[Key, str]) -> Row:
    return {
        "machine": machine, "run": run, "state": level.state.value, "level_db": level.level_db, "background_db": level.background_db,
        "distance_m": level.distance_m, "door_shut": level.door_shut, "fan_percent": level.fan_percent,
        "meter": meters.get(level.meter, ""),
    }  # fmt: skip


def _specimen(
    found: dict[str, list[Row]], called: str, specimen: Specimen, meters: Mapping[Key, str], numbered: _Numbers
) -> None:
    found["readings"] += [
        {"specimen": called, "feature": r.feature, "value": r.value, "instrument": meters[r.instrument], "kelvin": r.kelvin, "over": r.over}
        for r in specimen.readings
    ]  # fmt: skip
    found["judgements"] += [
        {"specimen": called, "feature": j.feature, "takes": j.said.takes.value, "amount": j.said.amount,
         "verdict": j.said.verdict.value if j.said.verdict else "", "word": j.said.word, "rater": numbered("P", j.rater)}
        for j in specimen.judgements
    ]  # fmt: skip
    found["scores"] += [
        {"specimen": called, "rater": numbered("P", rater), "defect": defect, "severity": severity}
        for rater, scores in specimen.severities.items()
        for defect, severity in scores.items()
    ]


# back


def evidence_of(tables: Tables) -> Evidence:
    """The evidence that such tables hold. Raises BadInput where they contradict each other."""
    features: dict[str, dict[str, Feature]] = defaultdict(dict)
    for row in tables.get("features", ()):
        features[_s(row, "line")][_s(row, "feature")] = _feature_of(row)
    lines: dict[Key, LineOf] = {
        _s(r, "line"): LineOf(_s(r, "name"), features[_s(r, "line")]) for r in tables.get("artifacts", ())
    }
    instruments: dict[Key, Instrument] = {
        _s(r, "instrument"): Instrument(
            _s(r, "code"), _s(r, "kind"), _n(r, "resolution"), _n(r, "u_calibration"), _n(r, "repeatability"),
            math.inf if r["repeatability_dof"] is None else _n(r, "repeatability_dof"), _s(r, "hands"), _n(r, "u_hands"),
        )
        for r in tables.get("instruments", ())
    }  # fmt: skip
    basis, counted = _basis(tables.get("basis", ()))
    specimens = _specimens(tables, lines, instruments)
    levels: dict[tuple[str, str], list[Level]] = defaultdict(list)
    for row in tables.get("levels", ()):
        levels[_s(row, "machine"), _s(row, "run")].append(_level_of(row))
    runs: dict[str, list[Run]] = defaultdict(list)
    for row in tables.get("runs", ()):
        if _s(row, "line") not in lines:
            raise BadInput(f"run {_s(row, 'run')} is of no artifact that is listed")
        runs[_s(row, "machine")].append(_run_of(row, levels, specimens))
    filament: dict[str, dict[Key, Filament]] = defaultdict(dict)
    for row in tables.get("filament", ()):
        filament[_s(row, "machine")][_s(row, "line")] = Filament(
            _n(row, "parts"), _n(row, "part_g"), _n(row, "waste_g"), _known(row, "money"), _n(row, "changes"), _n(row, "change_s")
        )  # fmt: skip
    amounts = _group(tables.get("amounts", ()), "machine")
    machines: dict[Key, Machine] = {}
    for row in tables.get("machines", ()):
        called = _s(row, "machine")
        machines[called] = Machine(
            runs=tuple(runs.pop(called, ())), main=_s(row, "main") or None, idle=tuple(levels.get((called, ""), ())),
            unit=_unit_of(row, amounts.get(called, [])), filament=filament.get(called, {}),
        )  # fmt: skip
    if runs:
        raise BadInput(f"runs are of a machine “{next(iter(runs))}” that is not listed")
    duels = []
    for row in tables.get("duels", ()):
        sides = [_s(row, "first"), _s(row, "second")]
        if _s(row, "line") not in lines or any(s not in machines for s in sides):
            raise BadInput("a duel is of a machine or an artifact that is not listed")
        duels.append(Duel(_s(row, "line"), sides[0], sides[1], _enum(Won, row, "won")))
    return Evidence(machines, lines, instruments, basis, counted, tuple(duels))


def _s(row: Row, name: str) -> str:
    return str(row[name])


def _n(row: Row, name: str) -> float:
    value = row[name]
    if not isinstance(value, int | float):
        raise BadInput(f"a number is missing under “{name}”")
    return float(value)


def _opt(row: Row, name: str) -> float | None:
    return None if row[name] is None else _n(row, name)


def _known(row: Row, name: str) -> float | NotDetermined:
    return NotDetermined(_s(row, f"{name}_needs")) if row[name] is None else _n(row, name)


def _enum(kind: type[_E], row: Row, name: str) -> _E:
    try:
        return kind(_s(row, name))
    except ValueError:
        raise BadInput(f"“{_s(row, name)[:40]}” is not known under “{name}”") from None


def _group(rows: Iterable[Row], by: str) -> dict[str, list[Row]]:
    found: dict[str, list[Row]] = defaultdict(list)
    for row in rows:
        found[_s(row, by)].append(row)
    return found


def _feature_of(row: Row) -> Feature:
    at = [row.get(c) for c in ("x0", "y0", "z0", "x1", "y1", "z1")]
    x = [cast(float, c) for c in at]
    ends = ((x[0], x[1], x[2]), (x[3], x[4], x[5])) if all(c is not None for c in at) else None
    return Feature(
        _s(row, "feature"), _enum(Kind, row, "kind"), _s(row, "axis"), int(_n(row, "sense")), _n(row, "nominal"), _s(row, "method"),
        ends, _s(row, "unit"), _opt(row, "level"),
    )  # fmt: skip


def _basis(rows: Iterable[Row]) -> tuple[Basis, frozenset[Cause]]:
    stated = {_s(r, "name"): _n(r, "value") for r in rows}
    counted = []
    for name in list(stated):
        if name.startswith(_COUNTED):
            counted.append(_enum(Cause, {"cause": name.removeprefix(_COUNTED)}, "cause"))
            del stated[name]
    wanted = {f.name for f in fields(Basis) if f.name != "prints_month"}
    if set(stated) != wanted:
        raise BadInput(f"basis.csv needs {', '.join(sorted(wanted ^ set(stated)))}")
    return Basis(**stated), frozenset(counted)


def _level_of(row: Row) -> Level:
    return Level(
        _enum(NoiseState, row, "state"), _n(row, "level_db"), _opt(row, "background_db"), _n(row, "distance_m"),
        bool(row["door_shut"]), _opt(row, "fan_percent"), _s(row, "meter") or None,
    )  # fmt: skip


def _run_of(
    row: Row, levels: Mapping[tuple[str, str], list[Level]], specimens: Callable[[str, str], Specimen]
) -> Run:
    specimen = _s(row, "specimen")
    return Run(
        line=_s(row, "line"), job=_s(row, "job"), outcome=_enum(Outcome, row, "outcome"), hours=_n(row, "hours"),
        cause=_enum(Cause, row, "cause") if row["cause"] else None, rejected=bool(row["rejected"]),
        configuration=_s(row, "configuration") or None, stated_s=_opt(row, "stated_s"), kwh=_opt(row, "kwh"), u_kwh=_n(row, "u_kwh"),
        meter=_s(row, "meter") or None, levels=tuple(levels.get((_s(row, "machine"), _s(row, "run")), ())),
        specimen=specimens(specimen, _s(row, "line")) if specimen else None, parts=max(1, int(_n(row, "parts"))),
    )  # fmt: skip


def _specimens(
    tables: Tables, lines: Mapping[Key, LineOf], instruments: Mapping[Key, Instrument]
) -> Callable[[str, str], Specimen]:
    readings, judged = (
        _group(tables.get("readings", ()), "specimen"),
        _group(tables.get("judgements", ()), "specimen"),
    )
    scores = _group(tables.get("scores", ()), "specimen")
    own = tuple(
        Defect(
            _s(r, "defect"), _s(r, "name"), _n(r, "weight"), bool(r["structural"]), _s(r, "look"),
            cast("tuple[str, str, str, str, str, str]", tuple(_s(r, f"anchor{n}") for n in range(6))),
        )
        for r in tables.get("own_defects", ())
    )  # fmt: skip

    def made(called: str, line: str) -> Specimen:
        features = lines[line].features
        severities: dict[Key, dict[str, int]] = defaultdict(dict)
        for r in scores.get(called, ()):
            severities[_s(r, "rater")][_s(r, "defect")] = int(_n(r, "severity"))
        for r in readings.get(called, ()):
            if _s(r, "feature") not in features or _s(r, "instrument") not in instruments:
                raise BadInput(f"a reading of {called} is of a feature or an instrument that is not listed")
        return Specimen(
            features,
            tuple(
                Reading(_s(r, "feature"), _opt(r, "value"), _s(r, "instrument"), _n(r, "kelvin"), int(_n(r, "over")))
                for r in readings.get(called, ())
            ),
            tuple(Judgement(_s(r, "feature"), _judged(r), _s(r, "rater")) for r in judged.get(called, ())),
            severities, own,
        )  # fmt: skip

    return made


def _judged(row: Row) -> Judged:
    amount = row["amount"]
    return Judged(
        _enum(Takes, row, "takes"), None if amount is None else int(cast(int, amount)),
        _enum(Verdict, row, "verdict") if row["verdict"] else None, _s(row, "word"),
    )  # fmt: skip


def _unit_of(row: Row, amounts: Iterable[Row]) -> Unit:
    times: dict[str, list[float]] = defaultdict(list)
    said: dict[str, list[int]] = defaultdict(list)
    sheet: dict[str, float] = {}
    for a in amounts:
        what, of, value = _s(a, "what"), _s(a, "of"), _n(a, "value")
        if what == "said":
            said[of].append(int(value))
        elif what == "sheet":
            sheet[of] = value
        else:
            times[what].append(value)
    needs = _s(row, "worth_needs")
    return Unit(
        paid=_known(row, "paid"), upgrades=_n(row, "upgrades"), residual=_n(row, "residual"), upkeep_per_h=_opt(row, "upkeep_per_h"),
        setup_first_s=tuple(times["setup_first_s"]), setup_next_s=tuple(times["setup_next_s"]), warm_up_s=tuple(times["warm_up_s"]),
        worth_base=_known(row, "worth_base"),
        worth_present=NotDetermined(needs) if needs else tuple(times["worth"]),
        said={k: tuple(v) for k, v in said.items()}, sheet=sheet,
    )  # fmt: skip
