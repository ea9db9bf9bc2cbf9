"""Surface quality from defects scored by written anchors."""

import math

from crevlo.core.defects import specimen_quality
from crevlo.core.evaluations.evaluation import Better, Evaluation, Quantity, Rests, Results, lines_of, mean_figures
from crevlo.core.evidence import Evidence, Run, Specimen

QUALITY = Quantity(
    "defects", "Surface defects", "Surface", "of 100", 1, Better.HIGHER, Rests.SCORES,
    "100 · (1 − Σ weight · severity / (5 · Σ weight)) over the defects, averaged over locked inspections.", 50, 100,
)  # fmt: skip


def quality_of(specimen: Specimen | None) -> float | None:
    """Mean over the raters who have locked theirs; None before the first."""
    if specimen is None or not specimen.severities:
        return None
    # Locked scores are of all that was asked.
    scored = [specimen_quality(s, s, specimen.own_defects).value for s in specimen.severities.values()]
    return math.fsum(scored) / len(scored)


def of_machines(evidence: Evidence) -> Results:
    def value(run: Run) -> float | None:
        return quality_of(run.specimen)

    lines = lines_of(evidence, value)
    figures = mean_figures(evidence, lines, "a specimen scored and locked")
    return Results({QUALITY.code: figures}, {QUALITY.code: lines})


DEFECTS = Evaluation("defects", "Surface defects", (QUALITY,), of_machines)
