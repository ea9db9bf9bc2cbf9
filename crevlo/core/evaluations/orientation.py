"""One bar lying along X, along Y, at 45° and standing: how far their sizes differ, and which is off."""

import math
from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from crevlo.core.estimate import BadInput, Estimate, NotDetermined
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
from crevlo.core.readings import feature_estimates

SPREAD = Quantity(
    "orientation.spread", "Spread over orientations", "Orientation", "mm", 3, Better.LOWER, Rests.READINGS,
    "Largest less smallest of what the same length is off when it lies along X, along Y, at 45° and stands.", 0.3, 0.0,
)  # fmt: skip
_WAYS = {"X": "along X", "Y": "along Y", "D": "at 45°", "Z": "standing"}


@dataclass(frozen=True, slots=True)
class Orientation:
    """Largest less smallest of the groups' means, and the one-way analysis of variance between them."""

    spread_mm: float
    F: float
    p: float


def orientation(groups: Mapping[str, Sequence[float]]) -> Orientation:
    """Of deviations in mm by orientation. Raises NotDetermined for fewer than two groups or none with two deviations.

    Source: Fisher's one-way analysis of variance.
    """
    from scipy import stats

    known = [list(g) for g in groups.values() if len(g)]
    if not all(math.isfinite(x) for g in known for x in g):
        raise BadInput("deviations must be finite")
    if len(known) < 2 or not any(len(g) > 1 for g in known):
        raise NotDetermined("two orientations with two deviations each")
    means = [math.fsum(g) / len(g) for g in known]
    if all(max(g) == min(g) for g in known):
        level = max(means) == min(means)
        return Orientation(max(means) - min(means), 0.0 if level else math.inf, 1.0 if level else 0.0)
    with np.errstate(divide="ignore", invalid="ignore"):
        tested = stats.f_oneway(*known)
    return Orientation(max(means) - min(means), float(tested.statistic), float(tested.pvalue))


def takes(features: Features) -> bool:
    """The same length in at least three orientations."""
    return len(_bars(features)) >= 3


def of_specimen(specimen: Specimen, instruments: Instruments) -> Told:
    """Spread of the bars' lengths once all are measured, and which is furthest from the others."""
    bars, estimates = _bars(specimen.features), feature_estimates(specimen, instruments)
    known = {axis: e for axis, c in bars.items() if isinstance(e := estimates.get(c), Estimate)}
    if not known:
        return Told(())
    made_from = tuple(bars.values())
    if len(known) < len(bars):
        left = [_WAYS[a] for a in bars if a not in known]
        needs = NotDetermined(f"the bar {' and '.join(left)}")
        return Told(
            (Finding(SPREAD, needs, missing_says("the spread over orientations", needs), made_from=made_from),)
        )
    off = {axis: known[axis].value - specimen.features[c].nominal for axis, c in bars.items()}
    high, low = max(off, key=lambda a: off[a]), min(off, key=lambda a: off[a])
    middle = float(np.median(list(off.values())))
    odd = max(off, key=lambda a: abs(off[a] - middle))
    # The calibration of one caliper is in all of them alike.
    value = Estimate(off[high] - off[low], math.hypot(known[high].own, known[low].own))
    spread = within(value, 3)
    if value.value < value.expanded:
        says = Says("Bars are alike within", f"{value.expanded:.3f} mm", "", "No orientation told apart.")
        return Told((Finding(SPREAD, value, says, made_from=made_from),))
    says = Says(
        "Bars differ by",
        f"{value.value:.3f} mm",
        spread,
        f"The one {_WAYS[odd]} is off by {off[odd] - middle:+.3f} mm against the others' middle.",
    )
    cause = f"the axis of the bar {_WAYS[odd]}. The step block shows whether its scale is off"
    return Told((Finding(SPREAD, value, says, cause, made_from),))  # fmt: skip


def _bars(features: Features) -> dict[str, str]:
    """By axis the feature of the length that stands in most orientations."""
    by_size: dict[float, dict[str, str]] = defaultdict(dict)
    for code in codes_of(features, (Kind.LENGTH, Kind.DIAGONAL)):
        f = features[code]
        if f.sense > 0 and f.axis in _WAYS:
            by_size[f.nominal].setdefault(f.axis, code)
    found = max(by_size.values(), key=len, default={})
    # A length across X and Y alone is no bar in three orientations, whatever else the artifact has.
    return found if "D" in found else {}


def of_machines(evidence: Evidence) -> Results:
    return figures_of_findings(
        ORIENTATION, evidence, "measured bars", "bars in several orientations among the prints"
    )


ORIENTATION = Evaluation("orientation", "Orientation", (SPREAD,), of_machines, takes, of_specimen)
