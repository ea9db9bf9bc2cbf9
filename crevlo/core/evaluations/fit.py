"""How two printed parts go together: in words from fused to falls off, tries until it closes, force where a scale is used."""

import math

from crevlo.core.estimate import Estimate
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
    within,
)
from crevlo.core.evidence import Evidence, Specimen
from crevlo.core.features.feature import Kind
from crevlo.core.features.fit import FIT as FIT_KIND
from crevlo.core.readings import feature_estimates
from crevlo.core.statistics import mean_of_raters

SNUG = FIT_KIND.words.index("snug")

AWAY = Quantity(
    "fit", "Fit away from snug", "Fit", "steps", 1, Better.LOWER, Rests.READINGS,
    f"Steps from snug on the ladder {', '.join(FIT_KIND.words)}; mean over pairs and people.", 3, 0,
)  # fmt: skip
SIDE = Quantity(
    "fit.side", "Fit, loose or tight", "Looseness", "steps", 1, Better.ZERO, Rests.READINGS,
    "Steps from snug, loose above 0 and tight below; mean over pairs and people.", 3, 0,
)  # fmt: skip
TRIES = Quantity(
    "fit.tries", "Tries until it closes", "Tries", "tries", 1, Better.LOWER, Rests.READINGS,
    "How often it was tried until it closed; mean over pairs and people.", 6, 1,
)  # fmt: skip
FORCE = Quantity(
    "fit.force", "Force to close", "Force", "g", 0, Better.NONE, Rests.READINGS,
    "What a scale shows as it closes.", 3000, 200,
)  # fmt: skip


def takes(features: Features) -> bool:
    return bool(codes_of(features, (Kind.FIT,)))


def of_specimen(specimen: Specimen, instruments: Instruments) -> Told:
    """What was said of the fit, tries and force as far as they are known."""
    pairs, findings = codes_of(specimen.features, (Kind.FIT,)), []
    said = [j.said.amount for j in specimen.judgements if j.feature in pairs and j.said.amount is not None]
    if said:
        words = sorted({FIT_KIND.words[x] for x in said}, key=FIT_KIND.words.index)
        away, side = mean_of_raters([abs(x - SNUG) for x in said]), mean_of_raters([x - SNUG for x in said])
        steps = "as it should be" if away.value == 0 else f"{away.value:.1f} steps"
        which = (
            ""
            if away.value == 0
            else "Loose."
            if side.value > 0
            else "Tight."
            if side.value < 0
            else "Tight and loose."
        )
        findings.append(
            Finding(
                AWAY,
                away,
                Says(
                    f"The fit is {' to '.join(words) if len(words) < 3 else f'{words[0]} to {words[-1]}'},",
                    steps,
                    "",
                    which,
                ),
                _cause(side),
                pairs,
            )
        )
        findings.append(
            Finding(
                SIDE,
                side,
                Says(
                    "Against snug it is",
                    "level"
                    if side.value == 0
                    else f"{abs(side.value):.1f} steps {'loose' if side.value > 0 else 'tight'}",
                    "",
                    "",
                ),
                made_from=pairs,
            )
        )
    tries = codes_of(specimen.features, (Kind.TRIES,))
    counts = [float(j.said.amount) for j in specimen.judgements if j.feature in tries and j.said.amount is not None]
    if counts:
        value = mean_of_raters(counts)
        findings.append(
            Finding(TRIES, value, Says("It closed after", f"{value.value:.1f} tries", "", ""), made_from=tries)
        )
    forces = codes_of(specimen.features, (Kind.FORCE,))
    known = [
        e for c, e in feature_estimates(specimen, instruments).items() if c in forces and isinstance(e, Estimate)
    ]
    if known:
        n = len(known)
        value = Estimate(math.fsum(e.value for e in known) / n, math.sqrt(math.fsum(e.u**2 for e in known)) / n)
        findings.append(
            Finding(
                FORCE,
                value,
                Says("It closes at", f"{value.value:.0f} g", within(value, 0), "On a scale."),
                made_from=forces,
            )
        )
    return Told(tuple(findings))  # fmt: skip


def _cause(side: Estimate) -> str | None:
    if abs(side.value) < 1:
        return None
    return "walls or holes off by the clearance. The four lengths tell which of the two parts is off"


def of_machines(evidence: Evidence) -> Results:
    return figures_of_findings(FIT, evidence, "a pair that was tried", "an artifact of two parts that fit")


FIT = Evaluation("fit", "Fit", (AWAY, SIDE, TRIES, FORCE), of_machines, takes, of_specimen)
