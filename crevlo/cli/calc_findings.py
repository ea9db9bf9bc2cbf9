"""Topics of `crevlo calc` that prints and people tell: bands, waves, limits, flow, gauge study, agreement, duels."""

from typing import Any

from pydantic import Field

from crevlo.cli.calc_input import Above0, Amount, Input, Number, Topic
from crevlo.core import before_after, claims
from crevlo.core.estimate import BadInput, Estimate
from crevlo.core.evaluations import banding, flow, line_width, orientation, ringing, thresholds
from crevlo.core.raters import agreement, bias, duels, gauge


class Banding(Input):
    heights_mm: list[Number] = Field(max_length=2_000)
    widths_mm: list[Number] = Field(max_length=2_000)
    shortest_mm: Above0 = banding.SHORTEST_MM
    longest_mm: Above0 = banding.LONGEST_MM
    seed: int = Field(default=1, ge=0, lt=2**63)


class RingingBand(Input):
    speed_mm_s: Above0
    spacings_mm: list[Above0] = Field(min_length=1, max_length=10_000)


class Ringing(Input):
    bands: list[RingingBand] = Field(min_length=1, max_length=1_000)
    resolution_mm: Amount


class Damping(Input):
    amplitudes: list[Above0] = Field(max_length=10_000)


class ThresholdStep(Input):
    level: Number
    passed: bool


class Threshold(Input):
    steps: list[ThresholdStep] = Field(max_length=10_000)
    easier: thresholds.Easier


class FlowStep(Input):
    flow_mm3_s: Above0
    expected_g: Above0
    measured_g: Amount


class Flow(Input):
    steps: list[FlowStep] = Field(max_length=1_000)
    u_g: Amount
    allowed: float = Field(default=flow.ALLOWED, gt=0, lt=1)
    seed: int = Field(default=1, ge=0, lt=2**63)


class Gauge(Input):
    parts: list[list[list[Number]]] = Field(max_length=1_000, description="[part][person][repeat]")


class Ratings(Input):
    ratings: list[list[int | None]] = Field(max_length=100, description="[rater][specimen], null where missing")
    categories: int = Field(default=6, ge=2, le=100)


class Orientation(Input):
    groups: dict[str, list[Number]] = Field(max_length=100)


class Bias(Input):
    pairs: list[tuple[Number, Number]] = Field(max_length=100_000, description="(blind, revealed) of a specimen")


class Duels(Input):
    results: list[tuple[str, str, duels.Won]] = Field(max_length=10_000, description="first, second, who won")
    ridge: Amount = duels.RIDGE


class Walls(Input):
    walls: list[tuple[Above0, Amount]] = Field(max_length=1_000, description="(nominal_mm, measured_mm) of each wall")
    u_mm: Amount


class Claim(Input):
    kind: claims.ClaimKind
    claimed: Number
    value: Number
    u: Amount | None = Field(default=None, description="none where it was measured a single time")
    unit: str = ""
    less_is_better: bool = False


class Compared(Input):
    name: str
    unit: str = ""
    digits: int = Field(default=2, ge=0, le=6)
    resolution: Amount
    pairs: list[tuple[list[Number], list[Number]]] = Field(
        max_length=1_000, description="values before and after, by piece"
    )


class BeforeAfter(Input):
    comparisons: list[Compared] = Field(min_length=1, max_length=200)


def _ringing(given: Ringing) -> Any:
    bands = [ringing.Band(b.speed_mm_s, tuple(b.spacings_mm)) for b in given.bands]
    return ringing.ringing(bands, given.resolution_mm)


def _flow(given: Flow) -> Any:
    steps = [flow.Step(**dict(s)) for s in given.steps]
    return {"limit_mm3_s": flow.flow_limit(steps, given.u_g, given.allowed, given.seed)}


def _duels(given: Duels) -> Any:
    if len({name for a, b, _ in given.results for name in (a, b)}) > 60:
        raise BadInput("more than 60 in one set of duels are too many to compare")
    made = duels.davidson(given.results, given.ridge)
    return {"ability": made.ability, "u": made.u, "tie": made.tie, "next": made.next, "connected": made.connected}


def _claim(given: Claim) -> Any:
    measured = claims.Once(given.value) if given.u is None else Estimate(given.value, given.u)
    return claims.against(given.kind, given.claimed, measured, unit=given.unit, less_is_better=given.less_is_better)


FINDING_TOPICS: dict[str, Topic] = {
    "banding": (Banding, lambda g: banding.banding(**dict(g)), "pitch and amplitude of bands along a height"),
    "ringing": (Ringing, _ringing, "whether waves follow a frequency or a pitch"),
    "damping": (Damping, lambda g: {"ratio": ringing.damping(g.amplitudes)}, "damping of successive waves"),
    "threshold": (
        Threshold, lambda g: thresholds.threshold([(s.level, s.passed) for s in g.steps], g.easier), "the last rung that passes",
    ),
    "flow": (Flow, _flow, "flow at which extrusion falls short"),
    "gauge": (Gauge, lambda g: gauge.gauge_study(g.parts), "gauge study: part, hand and instrument"),
    "agreement": (Ratings, lambda g: agreement.agreement(g.ratings, g.categories), "agreement of raters, chance taken out"),
    "orientation": (Orientation, lambda g: orientation.orientation(g.groups), "spread of bars over orientations"),
    "bias": (Bias, lambda g: bias.revealed_bias(g.pairs), "scores blind against revealed"),
    "duels": (Duels, _duels, "abilities from comparisons in pairs"),
    "linewidth": (Walls, lambda g: line_width.line_width(g.walls, g.u_mm), "line width from thin walls"),
    "claims": (Claim, _claim, "a claim against what was measured"),
    "beforeafter": (
        BeforeAfter, lambda g: before_after.changes([before_after.Comparison(**dict(c)) for c in g.comparisons]),
        "figures before and after a change, several at once",
    ),
}  # fmt: skip
