"""Prints that came out, of those tried."""

from collections import defaultdict

from crevlo.core.estimate import NotDetermined
from crevlo.core.evaluations.evaluation import Better, Evaluation, Quantity, Rests, Results
from crevlo.core.evidence import Evidence, Key, Machine, Run
from crevlo.core.figure import Counted
from crevlo.core.success import Cause, Outcome

_MEAN = "The figure is the mean of Beta(good + ½, failed + ½)."
FIRST = Quantity(
    "success", "First-pass success", "First pass", "%", 0, Better.HIGHER, Rests.RUNS,
    f"Jobs whose first attempt came out good, of those tried; attempts with an excused cause are left out. {_MEAN}", 0.4, 1.0, 100,
)  # fmt: skip
ALL = Quantity(
    "success.all", "Good prints of all tries", "Good tries", "%", 0, Better.HIGHER, Rests.RUNS,
    f"Attempts that came out good, of all that count; attempts with an excused cause are left out. {_MEAN}", 0.4, 1.0, 100,
)  # fmt: skip


def attempts(machine: Machine, causes: frozenset[Cause], *, first_only: bool) -> tuple[Counted, int]:
    """Good of counted attempts, and how many were excused by their cause or stopped by a person.

    Tries count whatever the machine was at the time: a repair does not take its failures away. A print that was rejected
    afterwards is a failed one. The first try of a job is the first that nobody stopped.
    """
    by_job: dict[Key, list[Run]] = defaultdict(list)
    for run in machine.runs:
        by_job[run.job].append(run)
    good = tries = excused = 0
    for mine in by_job.values():
        runs = [r for r in mine if r.outcome is not Outcome.STOPPED][:1] if first_only else mine
        for run in runs:
            if run.came_out and not run.rejected:
                good, tries = good + 1, tries + 1
            elif run.outcome is not Outcome.STOPPED and run.cause in causes:
                tries += 1
            else:
                excused += 1
    return Counted(good, tries), excused


def of_machines(evidence: Evidence) -> Results:
    first = {k: attempts(m, evidence.counted, first_only=True)[0] for k, m in evidence.machines.items()}
    every = {k: attempts(m, evidence.counted, first_only=False)[0] for k, m in evidence.machines.items()}
    return Results(
        {
            FIRST.code: {k: c if c.tries else NotDetermined("a finished first attempt") for k, c in first.items()},
            ALL.code: {k: c if c.tries else NotDetermined("a finished attempt") for k, c in every.items()},
        }
    )


SUCCESS = Evaluation("success", "Success", (FIRST, ALL), of_machines)
