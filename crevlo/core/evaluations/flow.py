"""The flow at which extrusion falls short, from the mass of pieces printed faster and faster."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from crevlo.core.estimate import BadInput, Estimate, NotDetermined
from crevlo.core.evaluations.evaluation import (
    Better,
    Evaluation,
    Features,
    Finding,
    FlowChart,
    FlowPoint,
    Instruments,
    Quantity,
    Rests,
    Results,
    Says,
    Told,
    codes_of,
    figures_of_findings,
    missing_says,
    within,
)
from crevlo.core.evidence import Evidence, Specimen
from crevlo.core.features.feature import Kind
from crevlo.core.readings import feature_estimates

ALLOWED = 0.05
FEWEST = 3
_DRAWS = 2000

LIMIT = Quantity(
    "flow.limit", "Flow limit", "Flow", "mm³/s", 1, Better.HIGHER, Rests.READINGS,
    f"The flow at which the mass of a step falls short by {100 * ALLOWED:.0f} % against the mean of the two slowest steps, by "
    "interpolation at the first crossing; U by draws of the masses.", 5, 25,
)  # fmt: skip


@dataclass(frozen=True, slots=True)
class Step:
    """One piece: its flow in mm³/s, what it should weigh, what it weighs, in g."""

    flow_mm3_s: float
    expected_g: float
    measured_g: float


def flow_limit(steps: Sequence[Step], u_g: float, allowed: float = ALLOWED, seed: int = 1) -> Estimate:
    """Flow at which the shortfall first exceeds `allowed`, with U from draws of masses known to `u_g` each.

    Shortfalls are against the mean measured/expected of the two lowest flows, so that density and diameter cancel. Raises
    NotDetermined for fewer than three steps or where none falls short, BadInput for flows or masses that cannot be.
    """
    if len(steps) < FEWEST:
        raise NotDetermined(f"{FEWEST} steps of flow")
    ordered = sorted(steps, key=lambda s: s.flow_mm3_s)
    flow = np.array([s.flow_mm3_s for s in ordered])
    expected, measured = np.array([s.expected_g for s in ordered]), np.array([s.measured_g for s in ordered])
    if (
        not all(np.isfinite(a).all() for a in (flow, expected, measured))
        or (flow <= 0).any()
        or (expected <= 0).any()
        or (measured < 0).any()
    ):
        raise BadInput("flows and expected masses must be above 0, measured ones 0 or more")  # fmt: skip
    if len(set(flow.tolist())) != len(flow):
        raise BadInput("every flow stands once")
    if not (0 < allowed < 1 and math.isfinite(u_g) and u_g >= 0):
        raise BadInput("what is allowed lies between 0 and 1, and the uncertainty of a mass is 0 or more")
    if not (measured[:2] > 0).all():
        raise NotDetermined("two slow steps that came out, to compare with")
    limit = _crossing(flow, expected, measured[None, :], allowed)[0]
    if not np.isfinite(limit):
        raise NotDetermined(f"a step that falls short: the limit is above {flow[-1]:g} mm³/s")
    if u_g == 0:
        return Estimate(float(limit), 0.0)
    drawn = measured + np.random.default_rng(seed).normal(0, u_g, (_DRAWS, len(flow)))
    found = _crossing(flow, expected, np.maximum(drawn, 1e-9), allowed)
    # Where a draw falls short nowhere its limit lies beyond the last step.
    found = np.where(np.isfinite(found), found, flow[-1])
    return Estimate(float(limit), float(found.std(ddof=1)))


def shortfalls(steps: Sequence[Step]) -> list[float]:
    """By step in the order of flow, the share that is missing against the two slowest."""
    ordered = sorted(steps, key=lambda s: s.flow_mm3_s)
    ratio = [s.measured_g / s.expected_g for s in ordered]
    base = (ratio[0] + ratio[min(1, len(ratio) - 1)]) / 2
    return [1 - r / base for r in ratio] if base > 0 else [0.0] * len(ratio)


def _crossing(flow: np.ndarray, expected: np.ndarray, measured: np.ndarray, allowed: float) -> np.ndarray:
    """Of each row of masses the flow of the first crossing, infinite where there is none."""
    ratio = measured / expected
    short = 1 - ratio / ratio[:, :2].mean(axis=1, keepdims=True)
    over = short > allowed
    first = np.where(over.any(axis=1), over.argmax(axis=1), 0)
    rows = np.arange(len(short))
    before = np.maximum(first - 1, 0)
    low, high = short[rows, before], short[rows, first]
    with np.errstate(divide="ignore", invalid="ignore"):
        along = np.clip((allowed - low) / (high - low), 0, 1)
    at = flow[before] + along * (flow[first] - flow[before])
    at = np.where(first == 0, flow[0], at)
    found: np.ndarray = np.where(over.any(axis=1), at, np.inf)
    return found


def takes(features: Features) -> bool:
    """Masses of at least three pieces of known flow."""
    return len(_steps(features)) >= FEWEST


def of_specimen(specimen: Specimen, instruments: Instruments) -> Told:
    """The limit of a ladder as far as its pieces are weighed."""
    codes, estimates = _steps(specimen.features), feature_estimates(specimen, instruments)
    known = {c: e for c in codes if isinstance(e := estimates.get(c), Estimate)}
    if not known:
        return Told(())
    steps = [Step(specimen.features[c].level or 0.0, specimen.features[c].nominal, e.value) for c, e in known.items()]
    chart = FlowChart(
        tuple(FlowPoint(s.flow_mm3_s, x) for s, x in zip(sorted(steps, key=lambda s: s.flow_mm3_s), shortfalls(steps), strict=True)), ALLOWED
    )  # fmt: skip
    slow = sorted(codes, key=lambda c: specimen.features[c].level or 0.0)
    value: Estimate | NotDetermined
    if not all(c in known for c in slow[:2]):
        value = NotDetermined("the two slowest pieces, to compare with")
    else:
        u = math.sqrt(math.fsum(e.own**2 for e in known.values()) / len(known))
        try:
            value = flow_limit(steps, u)
        except NotDetermined as missing:
            left = [c for c in codes if c not in known]
            value = NotDetermined("the other pieces") if left else missing
    if isinstance(value, NotDetermined):
        return Told((Finding(LIMIT, value, missing_says("the flow limit", value), made_from=tuple(known)),), chart)
    says = Says(
        "Extrusion falls short from",
        f"{value.value:.2f} mm³/s",
        within(value, 2),
        f"There {100 * ALLOWED:.0f} % of the mass is missing.",
    )
    return Told((Finding(LIMIT, value, says, "hotend or extruder at their limit. A hotter nozzle moves it where the hotend is the cause", tuple(known)),), chart)  # fmt: skip


def _steps(features: Features) -> tuple[str, ...]:
    return tuple(c for c in codes_of(features, (Kind.MASS,)) if features[c].level)


def of_machines(evidence: Evidence) -> Results:
    return figures_of_findings(
        FLOW, evidence, "a weighed flow ladder that falls short", "a flow ladder among the prints"
    )


FLOW = Evaluation("flow", "Flow", (LIMIT,), of_machines, takes, of_specimen)
