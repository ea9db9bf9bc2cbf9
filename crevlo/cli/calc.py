"""`crevlo calc TOPIC`: each rule of the core on JSON, so that anyone can check it."""

import csv
import dataclasses
import io
import json
import math
import re
from collections.abc import Callable
from enum import Enum
from functools import partial
from typing import Annotated, Any, Literal, get_args, get_origin

import numpy as np
from pydantic import Field, ValidationError

from crevlo.cli.calc_findings import FINDING_TOPICS
from crevlo.cli.calc_input import Above0, Amount, Count, Input, Number, Topic
from crevlo.cli.calc_plans import PLAN_TOPICS
from crevlo.core import cost, defects, energy, figure, gaps, grade, noise, ratio, readings, sizes, success
from crevlo.core.estimate import BadInput, Estimate, NotDetermined, made_of
from crevlo.core.evaluations import flatness, squareness, worth
from crevlo.core.evaluations.scale import findings_of
from crevlo.core.evaluations.words import words_of
from crevlo.core.ranking import chances, leaders, points, value


class Readings(Input):
    readings_mm: list[Number] = Field(max_length=100_000)
    resolution_mm: Amount
    u_calibration_mm: Amount
    repeatability_mm: Amount | None = None
    uncorrected_kelvin: Number = 0.0


class SizeFeature(Input):
    axis: sizes.Axis
    sense: Literal[-1, 0, 1]
    nominal_mm: Above0
    deviation_mm: Number
    u_mm: Above0


class Sizes(Input):
    features: list[SizeFeature] = Field(max_length=10_000)
    u_calibration_mm: Amount = Field(default=0.0, description="shared by all rows, beside the u of each")


class GradeFeature(Input):
    nominal_mm: Number
    deviation_mm: Number


class Squareness(Input):
    a_mm: Above0
    b_mm: Above0
    d1_mm: Above0
    d2_mm: Above0
    u_mm: Amount


class PlanePoint(Input):
    x_mm: Number
    y_mm: Number
    value_mm: Number


class Plane(Input):
    points: list[PlanePoint] = Field(max_length=10_000)


class TimeRatio(Input):
    pairs: list[tuple[Above0, Above0]] = Field(max_length=100_000, description="(actual_s, stated_s) of each print")


class Worth(Input):
    base: Amount
    features: dict[str, Amount] = Field(max_length=1_000)
    price: Amount | None = None


class Grades(Input):
    features: list[GradeFeature] = Field(max_length=10_000)


class Success(Input):
    good: Count
    tries: Count


class Faults(Input):
    faults: Count
    hours: Above0


class Energy(Input):
    time_s: list[Number] = Field(max_length=1_000_000)
    power_w: list[Number] | None = Field(default=None, max_length=1_000_000)
    counter_wh: list[Number] | None = Field(default=None, max_length=1_000_000)
    longest_step_s: Above0 = energy.LONGEST_STEP_S


class Noise(Input):
    levels_db: list[Number] = Field(max_length=100_000)
    durations_s: list[Amount] | None = Field(default=None, max_length=100_000)
    background_db: Number | None = None
    distance_m: Above0 = 1.0


class Cost(Input):
    price: Amount
    upgrades: Amount
    residual: Amount
    life_h: Above0
    upkeep_per_h: Amount
    parts_per_plate: int = Field(ge=1, le=100_000)
    part_g: Amount
    purge_g: Amount
    material_per_kg: Amount
    energy_kwh: Amount
    tariff_per_kwh: Amount
    hours: Amount
    labour_min: Amount
    wage_per_h: Amount
    success: float = Field(gt=0, le=1)
    loss_fraction: float = Field(ge=0, le=1)
    failed_labour_min: Amount


class Severity(Input):
    severities: dict[str, int] = Field(max_length=100)


class Criterion(Input):
    name: str
    weight: Amount
    shape: value.Shape = value.Shape.LINEAR
    points: list[tuple[Number, float]] = Field(description="(raw figure, value 0..100) anchors", max_length=100)


class RawFigure(Input):
    value: Number | None = None
    u: Amount = Field(default=0.0, description="its own standard uncertainty, beside what it shares")
    shared: dict[str, Number] = Field(default={}, max_length=100, description="signed u by source")
    good: Count | None = None
    tries: Count | None = None


class Ranking(Input):
    criteria: list[Criterion] = Field(min_length=1, max_length=100)
    machines: dict[str, list[RawFigure]] = Field(min_length=1, max_length=500)
    seed: int = Field(default=1, ge=0, lt=2**63)
    draws: int = Field(default=20_000, ge=100, le=200_000)
    weight_spread: float = Field(default=0.3, ge=0, le=1)
    field: bool | None = Field(default=None, description="figures of one field; by itself from four machines on")


class Flip(Input):
    weights: list[Amount] = Field(max_length=100)
    a: list[Number]
    b: list[Number]
    criterion: Count


def _readings(given: Readings) -> Any:
    return readings.combine_readings(**dict(given))


def _sizes(given: Sizes) -> Any:
    measured = [sizes.MeasuredFeature(**dict(f), u_calibration_mm=given.u_calibration_mm) for f in given.features]
    fit = sizes.fit_sizes(measured)
    return {"fit": fit, "words": words_of(findings_of(fit, measured))}


def _plane(given: Plane) -> Any:
    return flatness.plane([(p.x_mm, p.y_mm, p.value_mm) for p in given.points])


def _grades(given: Grades) -> Any:
    pairs = [(f.nominal_mm, f.deviation_mm) for f in given.features]
    return {
        "features": [_or_why(partial(_feature_grade, *p)) for p in pairs],
        "machine": _or_why(lambda: f"IT{grade.machine_grade(pairs)}"),
    }


def _feature_grade(nominal_mm: float, deviation_mm: float) -> str:
    return f"IT{grade.feature_grade(nominal_mm, deviation_mm)}"


def _or_why(rule: Callable[[], Any]) -> Any:
    """The rule's result, or why there is none, in its place."""
    try:
        return rule()
    except NotDetermined as missing:
        return missing
    except BadInput as bad:
        return {"error": str(bad)}


def _energy(given: Energy) -> Any:
    time = np.array(given.time_s)
    counter = None if given.counter_wh is None else np.array(given.counter_wh)
    if given.power_w is not None:
        made = gaps.energy_of_trace(time, np.array(given.power_w), None, counter, given.longest_step_s)
    elif counter is None:
        raise NotDetermined("power_w or counter_wh")
    else:
        made = energy.integrate_counter(time, counter, given.longest_step_s)
    return {"kwh": made.kwh, **plain(made)}


def _noise(given: Noise) -> Any:
    level = noise.mean_level_db(given.levels_db, given.durations_s)
    if given.background_db is not None:
        level = noise.without_background_db(level, given.background_db)
    return {"mean_db": level, "at_1_m_db": noise.at_distance_db(level, given.distance_m)}


def _cost(given: Cost) -> Any:
    made_up = cost.cost_per_good_part(cost.CostInputs(**dict(given)))
    return {**dataclasses.asdict(made_up), "total": made_up.total}


def _rank(given: Ranking) -> Any:
    functions = [value.value_function(c.shape, c.points) for c in given.criteria]
    weights = [c.weight for c in given.criteria]
    for name, row in given.machines.items():
        if len(row) != len(given.criteria):
            raise BadInput(f"{name} has {len(row)} figures for {len(given.criteria)} criteria")
    figures = [[_figure(raw) for raw in row] for row in given.machines.values()]
    values = [
        [
            None if (x := figure.central(f)) is None else float(value.value_of(v, x))
            for f, v in zip(row, functions, strict=True)
        ]
        for row in figures
    ]
    totals = points.weighted_totals(weights, values)
    codes = [c.name for c in given.criteria]
    drawn = chances.draw_values(figures, functions, given.seed, given.draws, codes=codes, field=given.field)
    chance = chances.rank_chances(weights, drawn, given.seed, given.weight_spread)
    pairs = chances.pair_chances(weights, drawn, given.seed, given.weight_spread)
    names = list(given.machines)
    return {
        "totals": dict(zip(names, totals, strict=True)),
        "rank_chances": dict(zip(names, chance.rank.tolist(), strict=True)),
        "expected_rank": dict(zip(names, chance.expected_rank.tolist(), strict=True)),
        "beats": dict(zip(names, pairs.beats.tolist(), strict=True)),
        "central_weights": {
            name: None if own is None else dict(zip(codes, own.tolist(), strict=True))
            for name, own in zip(names, pairs.central_weights, strict=True)
        },
        "expanded": dict(zip(names, chance.expanded.tolist(), strict=True)),
        "tie_set": [names[i] for i in leaders.share_first(chance.rank[:, 0].tolist(), ahead=chance.ahead.tolist())],
    }


def _figure(raw: RawFigure) -> figure.Figure:
    if raw.tries is not None:
        success.success_chance(raw.good or 0, raw.tries)
        return figure.Counted(raw.good or 0, raw.tries)
    return NotDetermined("a value") if raw.value is None else made_of(raw.value, raw.u, shared=raw.shared)


TOPICS: dict[str, Topic] = {
    **FINDING_TOPICS,
    **PLAN_TOPICS,
    "readings": (Readings, _readings, "repeat readings to a mean with uncertainty"),
    "sizes": (Sizes, _sizes, "axis scale apart from wall offset"),
    "squareness": (Squareness, lambda g: squareness.squareness(**dict(g)), "skew of a frame from its diagonals"),
    "plane": (Plane, _plane, "tilt, bow and dish of a first layer"),
    "timeratio": (TimeRatio, lambda g: ratio.time_ratio(g.pairs), "printing times against those stated"),
    "worth": (
        Worth,
        lambda g: worth.worth_of(g.base, list(g.features.values()), g.price),
        "worth of features in money, over the price",
    ),
    "grade": (Grades, _grades, "tolerance grade of features and of a machine"),
    "success": (Success, lambda g: success.success_chance(g.good, g.tries), "chance of a good print"),
    "faults": (Faults, lambda g: success.fault_rate(g.faults, g.hours), "faults per 100 h"),
    "energy": (Energy, _energy, "kWh of a power trace or counter"),
    "noise": (Noise, _noise, "mean level, background, distance"),
    "cost": (Cost, _cost, "cost per good part with its make-up"),
    "severity": (Severity, lambda g: defects.specimen_quality(g.severities), "defect scores to quality"),
    "rank": (Ranking, _rank, "weighted points and rank chances"),
    "flip": (
        Flip,
        lambda g: {"share": points.flip_weight(g.weights, g.a, g.b, g.criterion)},
        "weight that flips two machines",
    ),
}


def schema(topic: str) -> dict[str, Any]:
    """JSON schema of a topic's input."""
    return TOPICS[topic][0].model_json_schema()


def calculate(topic: str, text: str) -> str:
    """Result of a topic on JSON, or on CSV with a header, as JSON. Raises BadInput, NotDetermined, ValidationError."""
    model, rule, _ = TOPICS[topic]
    if not _is_table(text):
        result = plain(rule(model.model_validate_json(text)))
    else:
        made = [plain(rule(model.model_validate(row))) for row in rows_of(model, text)]
        result = made[0] if len(made) == 1 else made
    return json.dumps(result, indent=2, ensure_ascii=False)


def _is_table(text: str) -> bool:
    first = text.lstrip("\ufeff \n\r\t").split("\n", 1)
    return len(first) == 2 and re.fullmatch(r"[a-z_]\w*(\s*,\s*[a-z_]\w*)*", first[0].strip()) is not None


def calculate_line(topic: str, line: str) -> str:
    """Result of one JSON object in one line; what is wrong with it stands in its place."""
    model, rule, _ = TOPICS[topic]
    try:
        result = plain(rule(model.model_validate_json(line)))
    except NotDetermined as missing:
        result = plain(missing)
    except (BadInput, ValidationError) as bad:
        result = {"error": reason_of(bad)}
    return json.dumps(result, ensure_ascii=False)


def reason_of(bad: BadInput | ValidationError) -> str:
    if isinstance(bad, BadInput):
        return str(bad)
    return "; ".join(f"{'.'.join(map(str, e['loc'])) or 'input'}: {e['msg']}" for e in bad.errors()[:5])


def rows_of(model: type[Input], text: str) -> list[dict[str, Any]]:
    """CSV as inputs: rows are the items of the topic's list; or columns are its lists, with single values from the first
    row; or, where it has none, every row is an input. Raises BadInput where a column belongs to nothing."""
    reader = csv.DictReader(io.StringIO(text.lstrip("\ufeff")), skipinitialspace=True)
    names = [n.strip() for n in reader.fieldnames or []]
    cells = list(reader)
    rows = [{n: (row[h] or "").strip() for n, h in zip(names, reader.fieldnames or [], strict=True)} for row in cells]
    if not rows or any(None in row for row in cells):
        raise BadInput("the table needs a header and a row of the same width under it")
    given = [{n: _cell(v) for n, v in row.items() if v != ""} for row in rows]
    lists = {name: item for name, f in model.model_fields.items() if (item := _item(f.annotation)) is not None}
    items = next((name for name, item in lists.items() if isinstance(item, type) and issubclass(item, Input)), None)
    known = set(lists[items].model_fields) | set(model.model_fields) if items else set(model.model_fields)
    strange = [n for n in names if n not in known]
    if strange:
        raise BadInput(
            f"there is no {strange[0]} here; columns are {', '.join(sorted(known - set(filter(None, [items]))))}"
        )
    if items:
        own = set(lists[items].model_fields)
        single = {n: v for n, v in given[0].items() if n not in own}
        return [{items: [{n: v for n, v in row.items() if n in own} for row in given], **single}]
    if lists:
        columns = {n: [row[n] for row in given if n in row] for n in names if n in lists}
        return [columns | {n: v for n, v in given[0].items() if n not in lists}]
    return list(given)


def _cell(text: str) -> int | float | str:
    for kind in (int, float):
        try:
            return kind(text)
        except ValueError:
            continue
    return text


def _item(annotation: Any) -> Any:
    """What a list holds, of a list or of a list that may be left out; None of anything else."""
    if get_origin(annotation) is list:
        held = get_args(annotation)[0]
        return get_args(held)[0] if get_origin(held) is Annotated else held
    return next((found for part in get_args(annotation) if (found := _item(part)) is not None), None)


def plain(result: Any) -> Any:
    """A core result as JSON values: estimates with U, undetermined with their need, no NaN or infinity."""
    if isinstance(result, NotDetermined):
        return {"not_determined": {"needs": result.needs}}
    if isinstance(result, Estimate):
        made = {"value": result.value, "u": result.u, "U": result.expanded, "dof": plain(result.dof)}
        return made | ({"shared": dict(result.shared)} if result.shared else {})
    if dataclasses.is_dataclass(result) and not isinstance(result, type):
        given = {f.name: plain(getattr(result, f.name)) for f in dataclasses.fields(result) if f.repr}
        return given
    if isinstance(result, dict):
        return {str(k.value if isinstance(k, Enum) else k): plain(v) for k, v in result.items()}
    if isinstance(result, list | tuple):
        return [plain(v) for v in result]
    if isinstance(result, np.ndarray):
        return plain(result.tolist())
    if isinstance(result, float) and not math.isfinite(result):
        return None
    return result
