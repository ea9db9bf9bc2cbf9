"""Lift of corners that should lie flat, by gauge, and what the length is off."""

import math

from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.evaluations.evaluation import (
    Better,
    Evaluation,
    Features,
    Finding,
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
from crevlo.core.features.kind import Verdict
from crevlo.core.readings import feature_estimates

LIFT = Quantity(
    "lift.max", "Largest lift of a corner", "Lift", "mm", 2, Better.LOWER, Rests.READINGS,
    "The thickest leaf, or the height, under the corner that lifts most.", 2.0, 0.0,
)  # fmt: skip
PASSES = Quantity(
    "gauge.1mm", "Corners within the gauge", "Gauge", "%", 0, Better.HIGHER, Rests.READINGS,
    "How often the 1 mm gauge goes under no corner, of those who tried.", 50, 100,
)  # fmt: skip


def takes(features: Features) -> bool:
    return bool(codes_of(features, (Kind.LIFT, Kind.UNDER)))


def of_specimen(specimen: Specimen, instruments: Instruments) -> Told:
    """The largest lift once all corners are gauged, and whether the gauge goes under."""
    corners, estimates = codes_of(specimen.features, (Kind.LIFT,)), feature_estimates(specimen, instruments)
    known = {c: e for c in corners if isinstance(e := estimates.get(c), Estimate)}
    findings = []
    if known:
        left = len(corners) - len(known)
        worst = max(known, key=lambda c: known[c].value)
        if left:
            needs = NotDetermined(f"the other {left} corners" if left > 1 else "the last corner")
            findings.append(Finding(LIFT, needs, missing_says("the largest lift", needs), made_from=corners))
        else:
            value = known[worst]
            flat = value.value < value.expanded
            says = (
                Says("Corners lie flat within", f"{value.expanded:.2f} mm", "", "No lift told apart from none.")
                if flat
                else Says(f"Corner {worst} lifts by", f"{value.value:.2f} mm", within(value, 2), "The most of all corners.")
            )  # fmt: skip
            cause = (
                None
                if flat
                else "shrinkage against a cool plate or a draught. A brim, a warmer plate or a shut door shows which"
            )
            findings.append(Finding(LIFT, value, says, cause, corners))
    said = [j.said.verdict for j in specimen.judgements if specimen.features[j.feature].kind is Kind.UNDER]
    if said:
        good = sum(v is Verdict.PASS for v in said)
        share = 100 * good / len(said)
        words = (
            "The gauge goes under no corner"
            if good == len(said)
            else "The gauge goes under a corner"
            if not good
            else "The gauge goes under for some"
        )
        spread = 100 * math.sqrt(good * (len(said) - good) / len(said)) / len(said) if len(said) > 1 else 0.0
        findings.append(
            Finding(PASSES, Estimate(share, spread), Says(words, f"{good} of {len(said)}", "", "By those who tried it."), made_from=codes_of(specimen.features, (Kind.UNDER,)))
        )  # fmt: skip
    return Told(tuple(findings))


def of_machines(evidence: Evidence) -> Results:
    return figures_of_findings(WARP, evidence, "a gauged specimen", "an artifact with corners to gauge")


WARP = Evaluation("warp", "Warp", (LIFT, PASSES), of_machines, takes, of_specimen)
