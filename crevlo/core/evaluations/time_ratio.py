"""How a machine keeps the times that its sliced files state."""

import math

from crevlo.core.estimate import Estimate, NotDetermined, determined
from crevlo.core.evaluations.evaluation import Better, Evaluation, Quantity, Rests, Results
from crevlo.core.evidence import Evidence, Machine
from crevlo.core.ratio import time_ratio

RATIO = Quantity(
    "time.ratio", "Time against the estimate", "Time kept", "×", 3, Better.LOWER, Rests.RUNS,
    "Geometric mean of printing time over the time that the sliced file states; its u from the spread between prints.", 1.3, 1.0,
)  # fmt: skip


def ratio_of(machine: Machine) -> Estimate:
    """Raises NotDetermined with fewer than two good prints of files that state a time."""
    pairs = [(3600 * run.hours, run.stated_s) for run in machine.good if run.stated_s and run.hours > 0]
    made = time_ratio(pairs)
    if made.spread is None:
        raise NotDetermined("a second print of a file that states its time")
    return Estimate(made.mean, made.mean * math.log(made.spread) / math.sqrt(made.prints), made.prints - 1)


def of_machines(evidence: Evidence) -> Results:
    return Results(
        {RATIO.code: {k: determined(lambda m=m: ratio_of(m)) for k, m in evidence.machines.items()}}  # type: ignore[misc]
    )


TIME_RATIO = Evaluation("timeratio", "Time against the estimate", (RATIO,), of_machines)
