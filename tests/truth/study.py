"""A study as people would have entered it, and what only the simulation knows of it."""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache

import numpy as np
from scipy.stats import norm

from crevlo.core.artifacts.shelf import DESIGNS
from crevlo.core.cost import CostInputs, cost_per_good_part
from crevlo.core.defects import KNOWN, USUAL
from crevlo.core.evidence import (
    Basis,
    Evidence,
    Filament,
    Instrument,
    Level,
    LineOf,
    Machine,
    Reading,
    Run,
    Specimen,
    Unit,
)
from crevlo.core.features.feature import Feature, Kind
from crevlo.core.noise import NoiseState
from crevlo.core.success import DEFAULT_COUNTED, Cause, Outcome

# Calibration errors run evenly through their distribution from study to study (Weyl), so that a few hundred of them stand for
# it better than as many drawn by chance.
_STEPS = (0.6180339887, 0.4142135624, 0.7320508076)
BASIS = Basis(0.31, 18.0, 12.0, 10.0, 0.5, 4000.0, 0.05)
_READ = (Kind.LENGTH, Kind.DIAGONAL, Kind.THICKNESS)
_PRICES = (229.0, 265.0, 310.0, 540.0, 655.0, 690.0)
_GRAMS, _PER_KG = 24.0, 22.5


@dataclass(frozen=True, slots=True)
class Setting:
    """How studies of one kind are made: instruments, spreads between copies, sizes of the bench.

    `copies` by machine, from the first again where there are more. `common` is the share of the spread between copies that all faces of a copy have in common. `equal`: all machines are the
    same. Calibration errors are drawn once a study and instrument.
    """

    name: str
    machines: int = 4
    copies: tuple[int, ...] = (3,)
    u_cal_mm: float = 0.012
    part_mm: float = 0.015
    common: float = 0.4
    repeats: int = 3
    artifacts: tuple[str, ...] = ("SB", "SF", "FS")
    equal: bool = False
    tries: int = 6


@cache
def features_of(code: str) -> dict[str, Feature]:
    return {f.code: f for f in DESIGNS[code].build().features}


def study(setting: Setting, seed: int) -> tuple[Evidence, dict[str, list[float]]]:
    """Evidence of a study, and by quantity the hidden figure of each machine 0, 1, …"""
    rng = np.random.default_rng([seed, 77])
    errors = (float(norm.ppf((seed * step + 0.5) % 1)) for step in _STEPS)
    caliper = Instrument("C-1", "caliper", 0.01, setting.u_cal_mm, 0.006)
    meters = {
        "P": Instrument("P-1", "power meter", 1.0, 4.0, 0.0),
        "S": Instrument("S-1", "sound meter", 0.1, 0.7, 0.3),
    }
    u = {"C": caliper.u_calibration, "P": 0.004, "S": 0.7}
    bias = {key: u[key] * error for key, error in zip(u, errors, strict=True)}
    machines, truths = {}, []
    first = None
    for number in range(setting.machines):
        truth = _truth(rng) if first is None or not setting.equal else first
        first = first or truth
        copies = setting.copies[number % len(setting.copies)]
        machines[number] = _machine(setting, copies, truth, bias, rng)
        truths.append(_hidden(setting, truth))
    lines = {code: LineOf(code, features_of(code)) for code in setting.artifacts}
    evidence = Evidence(machines, lines, {"C": caliper, **meters}, BASIS, DEFAULT_COUNTED)
    return evidence, {code: [t[code] for t in truths] for code in truths[0]}


@dataclass(frozen=True, slots=True)
class _Truth:
    scale: tuple[float, float, float]
    wall: float
    first_layer: float
    skew: float
    tilt: tuple[float, float]
    hours: float
    kwh: float
    level_db: float
    success: float
    price: float
    severity: tuple[float, ...]


def _truth(rng: np.random.Generator) -> _Truth:
    x, y, z = rng.normal(0, 0.0012, 3)
    return _Truth(
        (x, y, z), rng.normal(0.07, 0.05), rng.normal(-0.06, 0.03), rng.normal(0, 0.15),
        tuple(rng.normal(0, 0.04, 2)), rng.uniform(0.8, 2.0), rng.uniform(0.08, 0.25), rng.uniform(42, 58),
        rng.uniform(0.5, 0.99), float(rng.choice(_PRICES)), tuple(rng.uniform(0.3, 3.0, len(USUAL))),
    )  # fmt: skip


def _size(f: Feature, t: _Truth) -> float:
    """What a machine makes of a feature on average, in its unit."""
    scale = dict(zip("XYZ", t.scale, strict=True))
    if f.kind is Kind.DIAGONAL:
        assert f.ends is not None
        (x0, y0, _), (x1, y1, _) = f.ends
        dx, dy = (x1 - x0) * (1 + scale["X"]), (y1 - y0) * (1 + scale["Y"])
        return math.hypot(dx + t.skew / 100 * dy, dy)
    if f.kind is Kind.THICKNESS:
        assert f.ends is not None
        return f.nominal + (t.tilt[0] * f.ends[0][0] + t.tilt[1] * f.ends[0][1]) / 100
    offset = t.first_layer if f.axis == "Z" else t.wall
    return f.nominal * (1 + scale[f.axis]) + f.sense * offset


def _hidden(setting: Setting, t: _Truth) -> dict[str, float]:
    plate = CostInputs(
        price=t.price, upgrades=0, residual=0, life_h=BASIS.life_h, upkeep_per_h=BASIS.upkeep_per_h, parts_per_plate=1,
        part_g=_GRAMS, purge_g=0, material_per_kg=_PER_KG, energy_kwh=t.kwh, tariff_per_kwh=BASIS.tariff_per_kwh,
        hours=t.hours, labour_min=BASIS.labour_min, wage_per_h=BASIS.wage_per_h, success=t.success,
        loss_fraction=BASIS.loss_fraction, failed_labour_min=BASIS.failed_labour_min,
    )  # fmt: skip
    x, y, z = t.scale
    known = {
        "scale.x": 100 * x, "scale.y": 100 * y, "scale.z": 100 * z, "wall.offset": t.wall, "first.layer": t.first_layer,
        "hole.offset": -t.wall, "skew.xy": t.skew, "tilt.x": t.tilt[0], "tilt.y": t.tilt[1], "time": t.hours,
        "energy": t.kwh, "noise": t.level_db, "success": t.success, "price": t.price,
        "cost": cost_per_good_part(plate).total, "repeatability": setting.part_mm, "off.mean": _mean_off(setting, t), "defects": _quality(t),
    }  # fmt: skip
    if "SB" not in setting.artifacts:
        known = {c: v for c, v in known.items() if c not in ("hole.offset", "first.layer", "wall.offset", "scale.z")}
    return known


# A rater's score strays by so much from what the print deserves.
_RATER = 0.5


def _quality(t: _Truth) -> float:
    scores = np.arange(6)
    lost = total = 0.0
    for code, mean in zip(USUAL, t.severity, strict=True):
        edges = np.r_[-np.inf, scores[:-1] + 0.5, np.inf]
        lost += KNOWN[code].weight * float(scores @ np.diff(norm.cdf(edges, mean, _RATER)))
        total += KNOWN[code].weight
    return 100 * (1 - lost / (5 * total))


def _mean_off(setting: Setting, t: _Truth) -> float:
    """Mean over the lines of the mean |deviation| that its copies have: of a normal deviate, folded."""
    means = []
    for code in setting.artifacts:
        off = [_size(f, t) - f.nominal for f in features_of(code).values() if f.kind in (Kind.LENGTH, Kind.DIAGONAL)]
        if off:
            means.append(np.mean([_folded(d, setting.part_mm) for d in off]))
    return float(np.mean(means))


def _folded(mean: float, sd: float) -> float:
    if sd == 0:
        return abs(mean)
    return float(
        sd * math.sqrt(2 / math.pi) * math.exp(-((mean / sd) ** 2) / 2) + mean * (1 - 2 * norm.cdf(-mean / sd))
    )


def _machine(
    setting: Setting, copies: int, t: _Truth, bias: Mapping[str, float], rng: np.random.Generator
) -> Machine:
    runs = []
    for code in setting.artifacts:
        for copy in range(copies):
            job = f"{code} {copy}"
            while rng.random() > t.success and len(runs) < 200:
                runs.append(Run(code, job, Outcome.FAILED, t.hours / 2, Cause.MACHINE))
            specimen = _specimen(setting, code, t, bias["C"], rng)
            longer = rng.normal(0, 0.01)
            runs.append(
                Run(
                    line=code, job=job, outcome=Outcome.DONE, hours=t.hours * (1 + longer) + rng.uniform(-1, 1) / 120,
                    kwh=max(t.kwh * (1 + longer + rng.normal(0, 0.02)) + bias["P"], 0.0), meter="P",
                    levels=_levels(t.level_db + rng.normal(0, 0.4), bias["S"], rng), specimen=specimen,
                )
            )  # fmt: skip
    # Tries whose prints are not measured: only whether they came out is known.
    came = rng.random(setting.tries) < t.success
    for n, good in enumerate(came):
        outcome = Outcome.DONE if good else Outcome.FAILED
        runs.append(Run("try", f"try {n}", outcome, t.hours, None if good else Cause.MACHINE))
    unit = Unit(paid=t.price)
    plate = Filament(1, _GRAMS, 0.0, _GRAMS / 1000 * _PER_KG)
    return Machine(tuple(runs), None, (), unit, dict.fromkeys(setting.artifacts, plate))


def _specimen(setting: Setting, code: str, t: _Truth, bias: float, rng: np.random.Generator) -> Specimen:
    known = features_of(code)
    together = rng.normal(0, setting.part_mm * math.sqrt(setting.common))
    alone = setting.part_mm * math.sqrt(1 - setting.common)
    readings = []
    for f in known.values():
        if f.kind not in _READ:
            continue
        true = _size(f, t) + together + rng.normal(0, alone)
        readings += [
            Reading(f.code, round(true + bias + rng.normal(0, 0.006), 2), "C") for _ in range(setting.repeats)
        ]
    scores = {
        code: int(np.clip(round(rng.normal(m, _RATER)), 0, 5)) for code, m in zip(USUAL, t.severity, strict=True)
    }
    return Specimen(known, tuple(readings), severities={"rater": scores})


def _levels(level_db: float, bias: float, rng: np.random.Generator) -> tuple[Level, ...]:
    background = 36.0
    heard = 10 * math.log10(10 ** (level_db / 10) + 10 ** (background / 10))
    return tuple(
        Level(
            NoiseState.PRINTING, round(heard + bias + rng.normal(0, 0.2), 1), background + bias, 1.0, True, None, "S"
        )
        for _ in range(2)
    )
