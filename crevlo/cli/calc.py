"""`crevlo calc TOPIC`: each rule of the core on JSON, so that anyone can check it."""

import dataclasses
import json
import math
from collections.abc import Callable
from enum import Enum
from typing import Any, Literal

import numpy as np
from pydantic import BaseModel, ConfigDict, Field

from crevlo.core import cost, defects, energy, grade, noise, readings, sizes, success
from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.scoring import chances, figure, points, value


class Input(BaseModel):
    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)


class Readings(Input):
    readings_mm: list[float]
    resolution_mm: float = Field(ge=0)
    u_calibration_mm: float = Field(ge=0)
    repeatability_mm: float | None = None
    uncorrected_kelvin: float = 0.0


class SizeFeature(Input):
    axis: sizes.Axis
    sense: Literal[-1, 0, 1]
    nominal_mm: float
    deviation_mm: float
    u_mm: float


class Sizes(Input):
    features: list[SizeFeature]


class GradeFeature(Input):
    nominal_mm: float
    deviation_mm: float


class Grades(Input):
    features: list[GradeFeature]


class Success(Input):
    good: int
    tries: int


class Faults(Input):
    faults: int
    hours: float


class Energy(Input):
    time_s: list[float]
    power_w: list[float] | None = None
    counter_wh: list[float] | None = None
    longest_step_s: float = energy.LONGEST_STEP_S


class Noise(Input):
    levels_db: list[float]
    durations_s: list[float] | None = None
    background_db: float | None = None
    distance_m: float = 1.0


class Cost(Input):
    price: float
    upgrades: float
    residual: float
    life_h: float
    upkeep_per_h: float
    parts_per_plate: int
    part_g: float
    purge_g: float
    material_per_kg: float
    energy_kwh: float
    tariff_per_kwh: float
    hours: float
    labour_min: float
    wage_per_h: float
    success: float
    loss_fraction: float
    failed_labour_min: float


class Severity(Input):
    severities: dict[str, int]


class Criterion(Input):
    name: str
    weight: float
    shape: value.Shape = value.Shape.LINEAR
    points: list[tuple[float, float]] = Field(description="(raw figure, value 0..100) anchors")


class RawFigure(Input):
    value: float | None = None
    u: float = 0.0
    good: int | None = None
    tries: int | None = None


class Ranking(Input):
    criteria: list[Criterion]
    machines: dict[str, list[RawFigure]]
    seed: int = 1
    draws: int = Field(default=20_000, ge=100, le=200_000)
    weight_spread: float = Field(default=0.3, ge=0, le=1)


class Flip(Input):
    weights: list[float]
    a: list[float]
    b: list[float]
    criterion: int


def _readings(given: Readings) -> Any:
    return readings.combine_readings(**dict(given))


def _sizes(given: Sizes) -> Any:
    fit = sizes.fit_sizes([sizes.MeasuredFeature(**dict(f)) for f in given.features])
    return {"fit": fit, "words": sizes.say_sizes(fit)}


def _grades(given: Grades) -> Any:
    pairs = [(f.nominal_mm, f.deviation_mm) for f in given.features]
    return {
        "features": [f"IT{grade.feature_grade(*p)}" for p in pairs],
        "machine": f"IT{grade.machine_grade(pairs)}",
    }


def _energy(given: Energy) -> Any:
    time = np.array(given.time_s)
    if given.power_w is not None:
        return energy.integrate_power(time, np.array(given.power_w), given.longest_step_s)
    if given.counter_wh is None:
        raise NotDetermined("power_w or counter_wh")
    return energy.integrate_counter(time, np.array(given.counter_wh), given.longest_step_s)


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
    figures = [[_figure(raw) for raw in row] for row in given.machines.values()]
    values = [
        [
            None if (x := figure.central(f)) is None else float(value.value_of(v, x))
            for f, v in zip(row, functions, strict=True)
        ]
        for row in figures
    ]
    totals = points.weighted_totals(weights, values)
    drawn = chances.draw_values(figures, functions, given.seed, given.draws)
    chance = chances.rank_chances(weights, drawn, given.seed, given.weight_spread)
    names = list(given.machines)
    return {
        "totals": dict(zip(names, totals, strict=True)),
        "rank_chances": dict(zip(names, chance.rank.tolist(), strict=True)),
        "beats": dict(zip(names, chance.beats.tolist(), strict=True)),
        "expanded": dict(zip(names, chance.expanded.tolist(), strict=True)),
    }


def _figure(raw: RawFigure) -> figure.Figure:
    if raw.tries is not None:
        return figure.Counted(raw.good or 0, raw.tries)
    return NotDetermined("a value") if raw.value is None else Estimate(raw.value, raw.u)


TOPICS: dict[str, tuple[type[Input], Callable[[Any], Any], str]] = {
    "readings": (Readings, _readings, "repeat readings to a mean with uncertainty"),
    "sizes": (Sizes, _sizes, "axis scale apart from wall offset"),
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
    """Result of a topic on JSON text, as JSON. Raises BadInput, NotDetermined, pydantic's ValidationError."""
    model, rule, _ = TOPICS[topic]
    return json.dumps(plain(rule(model.model_validate_json(text))), indent=2, ensure_ascii=False)


def plain(result: Any) -> Any:
    """A core result as JSON values: estimates with U, undetermined with their need, no NaN or infinity."""
    if isinstance(result, NotDetermined):
        return {"not_determined": {"needs": result.needs}}
    if isinstance(result, Estimate):
        return {"value": result.value, "u": result.u, "U": result.expanded, "dof": plain(result.dof)}
    if dataclasses.is_dataclass(result) and not isinstance(result, type):
        given = {f.name: plain(getattr(result, f.name)) for f in dataclasses.fields(result)}
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
