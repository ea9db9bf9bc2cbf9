"""Hidden truths of prints (screw pitch, resonance, clearance, flow limit, lift, line width, fit, orientation) read off by the
simulated hand, and of raters and duels; whether the rules find them again."""

import math
from collections.abc import Callable, Mapping
from dataclasses import dataclass, field

import numpy as np

from crevlo.core.artifacts.shelf import DESIGNS
from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.evaluations import EVALUATION_OF, QUANTITIES
from crevlo.core.evidence import Instrument, Judgement, Reading, Specimen
from crevlo.core.features.feature import Feature, Kind
from crevlo.core.features.kind import Judged, Takes, Verdict
from crevlo.core.raters.agreement import agreement
from crevlo.core.raters.bias import against_others
from crevlo.core.raters.duels import Won, davidson

CALIPER, SCALE, WATCH = (
    Instrument("C-1", "caliper", 0.01, 0.012, 0.008), Instrument("S-1", "scale", 0.001, 0.001, 0.002),
    Instrument("T-1", "stopwatch", 0.1, 0.0, 0.3),
)  # fmt: skip
TOOLS = {"C": CALIPER, "S": SCALE, "T": WATCH}
_SHELF: dict[str, dict[str, Feature]] = {}


def features(code: str) -> dict[str, Feature]:
    if code not in _SHELF:
        _SHELF[code] = {f.code: f for f in DESIGNS[code].build().features}
    return _SHELF[code]


@dataclass
class Found:
    """How often the hidden figure lies within the stated interval, is named right, or within one rung."""

    name: str
    held: list[bool] = field(default_factory=list)
    low: float = 0.93
    high: float = 0.97

    @property
    def share(self) -> float:
        return float(np.mean(self.held)) if self.held else math.nan

    def out(self, sure: float = 2.6) -> bool:
        """Beyond its bounds by more than so few machines may be by luck."""
        if not self.held:
            return True
        n = len(self.held)
        low = self.low - sure * math.sqrt(self.low * (1 - self.low) / n)
        high = self.high + sure * math.sqrt(max(self.high * (1 - self.high), 0.0) / n)
        return not low <= self.share <= high


class Bench:
    """One simulated machine's prints and the hand that reads them, with calibration errors of the instruments."""

    def __init__(self, seed: int) -> None:
        self.rng = np.random.default_rng([seed, 13])
        self.bias = {k: float(self.rng.normal(0, i.u_calibration)) for k, i in TOOLS.items()}

    def read(self, code: str, true: float, tool: str = "C", over: int = 1) -> Reading:
        """A value off an instrument: its calibration, the hand's scatter and the rounding; of one where it is over several."""
        i = TOOLS[tool]
        raw = true * over + self.bias[tool] + self.rng.normal(0, i.repeatability)
        return Reading(code, round(raw / i.resolution) * i.resolution / over, tool, over=over)


def told(specimen: Specimen, code: str):
    evaluation = EVALUATION_OF[code]
    assert evaluation.of_specimen is not None
    return next((f.value for f in evaluation.of_specimen(specimen, TOOLS).findings if f.quantity.code == code), None)


def _within(value: object, true: float) -> bool:
    return isinstance(value, Estimate) and abs(value.value - true) <= value.expanded + 1e-12


def _bands(b: Bench) -> dict[str, bool | None]:
    """A screw's wobble on a column; or none at all."""
    column = features("ZC")
    widths = [f for f in column.values() if f.kind is Kind.WIDTH]
    pitch, amplitude = float(b.rng.uniform(1.5, 12)), float(b.rng.uniform(0.03, 0.09))
    phase, grown = b.rng.uniform(0, 6), b.rng.normal(0, 0.03)

    def print_of(a: float) -> Specimen:
        return Specimen(column, tuple(
            b.read(f.code, f.nominal + grown + a * math.sin(2 * math.pi * (f.level or 0) / pitch + phase) + b.rng.normal(0, 0.008)) for f in widths))  # fmt: skip

    wavy, flat = print_of(amplitude), print_of(0.0)
    found = told(wavy, "band.pitch")
    named = isinstance(found, Estimate) and abs(found.value - pitch) < 0.02 * pitch
    return {
        "pitch of bands named": named,
        "pitch of bands": _within(found, pitch) if named else None,
        "amplitude of bands": _within(told(wavy, "band.amplitude"), amplitude) if named else None,
        "no band where there is none": isinstance(told(flat, "band.pitch"), NotDetermined),
    }  # fmt: skip


def _waves(b: Bench) -> dict[str, bool | None]:
    """A resonance on X, the teeth of a belt on Y."""
    wall = features("RW")
    hz, pitch, over = float(b.rng.uniform(25, 90)), float(b.rng.uniform(0.8, 4)), 4
    readings = []
    for f in wall.values():
        if f.kind is Kind.WAVES:
            true = (f.level or 0) / hz if f.axis == "X" else pitch
            readings += [b.read(f.code, true, over=over), b.read(f.code, true, over=over)]
    specimen = Specimen(wall, tuple(readings))
    x, y = told(specimen, "ring.frequency.x"), told(specimen, "ring.pitch.y")
    alone_x, alone_y = told(specimen, "ring.pitch.x") is None, told(specimen, "ring.frequency.y") is None
    # The caliper's calibration moves every distance alike: it is no part of what tells two causes apart.
    return {
        "a resonance named": isinstance(x, Estimate) and alone_x, "a tooth named": isinstance(y, Estimate) and alone_y,
        "frequency of ringing": _within(x, hz) if x is not None else None, "pitch of waves": _within(y, pitch) if y is not None else None,
    }  # fmt: skip


def _rungs(b: Bench) -> dict[str, bool | None]:
    """A clearance, a pillar, an overhang and a bridge, each with a true limit and a hand that is unsure near it."""
    made = {}
    for code, kind, quantity, larger in (
        ("CC", Kind.GAP, "gap.free", True), ("PF", Kind.PILLAR, "pillar.thin", True), ("OF", Kind.OVERHANG, "overhang.steep", False),
        ("BL", Kind.SPAN, "bridge.long", False),
    ):  # fmt: skip
        known = {c: f for c, f in features(code).items() if f.kind is kind}
        levels = sorted(f.nominal for f in known.values())
        true, step = float(b.rng.uniform(levels[1], levels[-2])), float(np.median(np.diff(levels)))
        said = []
        for c, f in known.items():
            unsure = f.nominal + b.rng.normal(0, 0.15 * step)
            passes = unsure >= true if larger else unsure <= true
            said.append(Judgement(c, Judged(Takes.VERDICT, verdict=Verdict.PASS if passes else Verdict.FAIL), "one"))
        value = told(Specimen(features(code), judgements=tuple(said)), quantity)
        easy = levels[::-1] if larger else levels
        passed = sum(x >= true if larger else x <= true for x in easy)
        rung = easy.index(value.value) + 1 if isinstance(value, Estimate) and value.value in easy else -9
        made[f"{QUANTITIES[quantity].name.lower()} within a rung"] = abs(rung - passed) <= 1
    return made


def _weighed(b: Bench) -> dict[str, bool | None]:
    """A hotend that falls short, and colour changes that leave something behind."""
    ladder = features("FL")
    true, density, slope = (
        float(b.rng.uniform(9, 25)),
        float(b.rng.uniform(0.9, 1.1)),
        float(b.rng.uniform(0.01, 0.03)),
    )

    def mass(f: Feature) -> float:
        flow = f.level or 0.0
        # What is allowed is missing at the limit; between rungs it falls in a straight line, as it is read.
        grid = [4.0 * (k + 1) for k in range(8)]
        short = [max(0.0, 0.05 + slope * (g - true)) for g in grid]
        return f.nominal * density * (1 - float(np.interp(flow, grid, short)))

    grid = np.array([4.0 * (k + 1) for k in range(8)])
    short = np.maximum(0.0, 0.05 + slope * (grid - true))
    base = 1 - (short[0] + short[1]) / 2
    missing = 1 - (1 - short) / base
    over = np.flatnonzero(missing > 0.05)
    if not len(over) or over[0] == 0:
        return {}
    k = int(over[0])
    at = grid[k - 1] + (0.05 - missing[k - 1]) / (missing[k] - missing[k - 1]) * 4
    specimen = Specimen(ladder, tuple(b.read(c, mass(f), "S") for c, f in ladder.items()))
    return {"flow limit": _within(told(specimen, "flow.limit"), float(at))}


def _sized(b: Bench) -> dict[str, bool | None]:
    """Line width, orientation and corner lift off the caliper."""
    shell, bars, bar = features("LW"), features("OB"), features("WB")
    wide = float(b.rng.normal(0, 0.05))
    walls = Specimen(shell, tuple(b.read(c, f.nominal + wide + b.rng.normal(0, 0.015)) for c, f in shell.items() if f.kind is Kind.THICKNESS for _ in range(1)))  # fmt: skip
    off = {axis: float(b.rng.normal(0, 0.15)) for axis in "XYDZ"}
    lengths = [f for f in bars.values() if f.nominal == 80]
    turned = Specimen(bars, tuple(b.read(f.code, f.nominal + off[f.axis]) for f in lengths for _ in range(3)))
    lifts = {f.code: abs(float(b.rng.normal(0.5, 0.3))) for f in bar.values() if f.kind is Kind.LIFT}
    lifted = Specimen(bar, tuple(b.read(c, x) for c, x in lifts.items() for _ in range(3)))
    return {
        "line width": _within(told(walls, "line_width.off"), wide),
        "spread over orientations": _within(told(turned, "orientation.spread"), max(off.values()) - min(off.values())),
        "largest lift": _within(told(lifted, "lift.max"), max(lifts.values())),
    }  # fmt: skip


def _people(b: Bench) -> dict[str, bool | None]:
    """A lenient rater, agreement of three, and what is preferred side by side."""
    true = b.rng.uniform(0.5, 4.5, 40)
    lenient = float(b.rng.normal(0, 0.4))
    scores = [np.clip(np.round(true + shift + b.rng.normal(0, 0.5, 40)), 0, 5) for shift in (lenient, 0.0, 0.0)]
    rater = against_others([(float(a), float((x + y) / 2)) for a, x, y in zip(*scores, strict=True)])
    # What is left of leniency once a score cannot be below 0 or above 5.
    wide = np.clip(np.round(true[:, None] + lenient + b.rng.normal(0, 0.5, (40, 200))), 0, 5).mean()
    mild = np.clip(np.round(true[:, None] + b.rng.normal(0, 0.5, (40, 200))), 0, 5).mean()
    alpha = agreement([s.astype(int).tolist() for s in scores]).alpha
    many = b.rng.uniform(0.5, 4.5, 2000)
    hidden = agreement(
        [
            np.clip(np.round(many + shift + b.rng.normal(0, 0.5, 2000)), 0, 5).astype(int).tolist()
            for shift in (lenient, 0.0, 0.0)
        ]
    ).alpha
    names = "ABCDE"
    ability = b.rng.normal(0, 1, 5)
    results = []
    for _ in range(60):
        i, j = (int(k) for k in b.rng.choice(5, 2, replace=False))
        weight = np.array([math.exp(ability[i]), 0.7 * math.exp((ability[i] + ability[j]) / 2), math.exp(ability[j])])
        results.append(
            (names[i], names[j], (Won.FIRST, Won.TIE, Won.SECOND)[int(b.rng.choice(3, p=weight / weight.sum()))])
        )
    made = davidson(results, among=list(names))
    a, c = made.ability["A"] - made.ability["B"], made.covariance
    u = math.sqrt(c[0, 0] + c[1, 1] - 2 * c[0, 1])
    return {
        "leniency of a rater": _within(rater.higher, float(wide - mild)), "agreement within 0.12": isinstance(alpha, float) and isinstance(hidden, float) and abs(alpha - hidden) < 0.12,
        "difference in duels": abs(a - (ability[0] - ability[1])) <= 1.96 * u,
    }  # fmt: skip


# What may be named right in more than 97 of 100 has no upper bound.
_ONE_SIDED = {
    "pitch of bands named": 0.95, "no band where there is none": 0.98, "a resonance named": 0.95, "a tooth named": 0.95, "agreement within 0.12": 0.95,
} | {f"{QUANTITIES[q].name.lower()} within a rung": 0.95 for q in ("gap.free", "pillar.thin", "overhang.steep", "bridge.long")}  # fmt: skip
_RULES: tuple[Callable[[Bench], Mapping[str, bool | None]], ...] = (_bands, _waves, _rungs, _weighed, _sized, _people)


def prints(machines: int, seed: int = 0) -> list[Found]:
    """Every rule over so many simulated machines."""
    found: dict[str, Found] = {}
    for k in range(machines):
        bench = Bench(seed + k)
        for rule in _RULES:
            for name, held in rule(bench).items():
                if held is None:
                    continue
                low = _ONE_SIDED.get(name, 0.93)
                found.setdefault(name, Found(name, [], low, 1.0 if name in _ONE_SIDED else 0.97)).held.append(held)
    return list(found.values())
