"""Print time."""

import math

from crevlo.core.evaluations.evaluation import (
    Better,
    Evaluation,
    Quantity,
    Rests,
    Results,
    lines_of,
    mean_figures,
)
from crevlo.core.evidence import Evidence

# A start and a stop are pressed to within half a minute: however alike the copies, their times are no better known.
U_HOURS = 1 / 120 / math.sqrt(3)

TIME = Quantity(
    "time", "Print time", "Time", "h", 2, Better.LOWER, Rests.RUNS, "Mean time from start to stop of the good prints; of a plate of several parts, for each of them.", 2.0, 0.5
)  # fmt: skip


def of_machines(evidence: Evidence) -> Results:
    lines = lines_of(evidence, lambda run: run.hours / run.parts)
    return Results({TIME.code: mean_figures(evidence, lines, "a good print", s_least=U_HOURS)}, {TIME.code: lines})


DURATION = Evaluation("duration", "Print time", (TIME,), of_machines)
